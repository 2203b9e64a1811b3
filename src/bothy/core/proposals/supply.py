"""Proposals for inverter, solar, bank, driving charge and shore, from the appliances and the catalogue."""

from __future__ import annotations

from typing import Any

from bothy.core.catalogue.parts import Part, of_kind
from bothy.core.catalogue.sheets import BatterySheet, ControllerSheet, PanelSheet
from bothy.core.context import BANK_PLACES, Context
from bothy.core.contract import EPS
from bothy.core.design.power import SolarArray, SolarController
from bothy.core.power.around import inverter_air
from bothy.core.power.bank import BankConfigureIn, BankSizeIn, bank_configure, bank_size, most_charge_a
from bothy.core.power.chemistry import CHEMISTRIES
from bothy.core.power.driving import DcdcSizeIn, dcdc_size
from bothy.core.power.inverter import InverterSizeIn, inverter_size
from bothy.core.power.load_budget import LoadBudgetOut, load_power_and_time
from bothy.core.power.panels import (
    BAD_STRING_RULES,
    EXTRA_LOW_V,
    MOST_CLIPPED,
    cheapest_controller,
    label_yield,
    month_yield,
    mppt_by_price,
    solar_of,
    string_input,
    sun_charge_of,
)
from bothy.core.power.part import CUT_H, cut_need
from bothy.core.power.shore import ShoreChargeTimeIn, shore_charge_time
from bothy.core.power.solar import solar_string
from bothy.core.power.supply import ROOF_SHARE, W_PER_M2, demand, inverter_loads
from bothy.core.proposals.base import Proposal, part_proposal, slug
from bothy.core.roof.lay_out import room_for
from bothy.core.wiring.mains import CHARGER_INPUT
from bothy.core.words.says import proposals_says as says


def _dump(item: Any) -> dict[str, Any] | None:
    return item.model_dump(mode="json") if item is not None else None


def deficits(ctx: Context, uses: dict[str, LoadBudgetOut]) -> dict[str, tuple[float, float]]:
    """Planned season -> (demand, sun and driving) in Wh per day."""
    planned = [s for s in uses if any(m in ctx.months for m in ctx.season_months(s))]
    return {s: (demand.raw(uses[s].design_energy_wh, ctx.chem.round_trip), solar_of(ctx, s).value + _drive_wh(ctx)) for s in planned}


def worst_season(ctx: Context, uses: dict[str, LoadBudgetOut]) -> str:
    """The planned season that lacks most."""
    lack = deficits(ctx, uses)
    return max(lack, key=lambda s: lack[s][0] - lack[s][1])


def propose_inverter(ctx: Context, uses: dict[str, LoadBudgetOut]) -> Proposal | None:
    """An inverter for the mains appliances that run away from a hook-up; none when there are none."""
    loads = inverter_loads(ctx)
    if not loads:
        return None
    parts = [p for p in of_kind("inverter", ctx.region.key) if p.data["pure_sine"]]
    known = inverter_air(ctx)
    air = min(70.0, known.value if known is not None else ctx.hot_c)
    need = inverter_size(InverterSizeIn.trusted(region=ctx.region.key, loads=loads, ratings_w=[p.data["rating_w"] for p in parts], ambient_temp_c=air))
    part = next((p for p in sorted(parts, key=lambda p: p.data["rating_w"]) if p.data["rating_w"] == need.rating_w), None)
    if part is None:
        return None
    value = {
        "name": part.name,
        "part": part.key,
        "rating_w": part.data["rating_w"],
        "surge_power_w": part.data["surge_power_w"],
        "idle_w": part.data["idle_w"],
        "pure_sine": True,
        "mode": "with_load",
        "mass_kg": part.mass_kg,
        "by": "proposal",
    }
    why = [
        says("running-together-hardest-start", coincident_power_w=need.coincident_power_w, start_power_w=need.start_power_w),
        (
            says("with-margin-and-round", air_c=air, required_power_w=need.required_power_w, governing=need.governing)
            if need.derate_frac < 1
            else says("with-margin-that-needs", required_power_w=need.required_power_w, governing=need.governing)
        ),
    ]
    assumes = [says("mains-appliances-and-more"), says("switched-on-only-while")]
    if ctx.hooked:
        assumes.append(says("only-what-marked-as"))
    return part_proposal(
        "inverter", "/power/inverter", says("inverter"), part.name, value, _dump(ctx.design.power.inverter), why, assumes, price=part.price, mass=part.mass_kg
    )


def _drive_wh(ctx: Context) -> float:
    """Energy of a day's driving to plan with: of the charger that was typed, else a modest one; none where driving is not said to be daily.

    A proposed charger does not count: it is sized on what sun and bank leave, so they can't be sized on it in turn.
    """
    d = ctx.design.power.driving
    if not ctx.drive_daily:
        return 0.0
    return d.rating_a * ctx.bank_v * ctx.drive_h if d and d.by == "typed" else min(30.0, 0.2 * ctx.alternator_a) * ctx.bank_v * ctx.drive_h


def propose_solar(ctx: Context, uses: dict[str, LoadBudgetOut]) -> list[Proposal]:
    """Panels and a controller: to cover the middle planned season by sun alone, as far as the roof goes; a controller for panels that are there.

    Where there is a hook-up every night they are offered, not suggested.
    """
    p = ctx.design.power
    if p.shared_arrays and any(a.by == "typed" or a.owned for a in p.shared_arrays):
        return _controller_for(ctx)
    target, roof_w, why = _solar_target(ctx, uses)
    typed = p.controller is not None and (p.controller.by == "typed" or p.controller.owned)
    best = _best_string(ctx, target, roof_w, p.controller if typed else None)
    if best is None:
        return []
    panel, s, n, controller, out = best
    power = panel.data["panel_power_w"] * s * n
    array = {
        **panel.data,
        "id": slug("roof", {a.id for a in p.own_arrays}),
        "name": f"{s * n} × {panel.name}",
        "part": panel.key,
        "series_count": s,
        "parallel_count": n,
        "unit_mass_kg": panel.mass_kg,
        "string_fuse": out.string_fuse_required,
        "disconnect": True,
        "by": "proposal",
    }
    control = (
        {"name": controller.name, "part": controller.key, "mass_kg": controller.mass_kg, "by": "proposal", **controller.data}
        if controller is not None
        else None
    )
    room = room_for(ctx.design, panel.length_mm / 1000, panel.width_mm / 1000)
    full = power + panel.data["panel_power_w"] * s > roof_w if room is None else s * (n + 1) > room
    limited = says("roof-limits") if full else says("that-covers-middle-season")
    name = controller.name if controller is not None else p.controller.name if p.controller is not None else ""
    most = controller.data["max_voltage_v"] if controller is not None else p.controller.max_voltage_v if p.controller is not None else 0.0
    why = [
        *why,
        says("because", power_w=power, limited=limited),
        says("in-series-parallel-on", s=s, n=n, voc_cold_v=out.voc_cold_v, most_v=most) + (says("fuse-in-each-string") if out.string_fuse_required else ""),
    ]
    free = says("inside-area-free-on", roof_share=ROOF_SHARE) if room is None else says("them-go-beside-what", room=room)
    assumes = [free, says("sun-approximate-monthly-normals", climate_name=ctx.climate.name)]
    old = [a.model_dump(mode="json") for a in p.shared_arrays]
    same = (
        len(old) == 1 and all(old[0].get(k) == v for k, v in array.items()) and (control is None or (_dump(p.controller) or {}).get("part") == control["part"])
    )
    patch: list[dict[str, Any]] = (
        [] if same else [{"op": "replace", "path": "/power/arrays", "value": [*(a.model_dump(mode="json") for a in p.own_arrays), array]}]
    )
    if control is not None and not same:
        patch.append({"op": "replace", "path": "/power/controller", "value": control})
    if ctx.hooked and not old:
        why.insert(0, says("hook-up-every-night"))
    return [
        Proposal(
            id="solar",
            group="solar",
            status="fitted" if same else "change" if old else "offer" if ctx.hooked else "new",
            title=says("solar"),
            what=f"{s * n} × {panel.name} on {name}",
            why=why,
            assumes=assumes,
            patch=patch,
            price=panel.price * s * n + (controller.price if controller is not None else 0.0),
            mass_kg=panel.mass_kg * s * n + (controller.mass_kg if controller is not None else 0.0),
        )
    ]


def _solar_target(ctx: Context, uses: dict[str, LoadBudgetOut]) -> tuple[float, float, list[str]]:
    """Watts of panels to aim at, watts that the roof takes, and why."""
    p = ctx.design.power
    roof_w = ROOF_SHARE * ctx.inside_length_m * ctx.inside_width_m * W_PER_M2
    planned = [s for s in uses if any(m in ctx.months for m in ctx.season_months(s))]
    hardness = sorted(planned, key=lambda s: uses[s].design_energy_wh / max(0.05, ctx.climate.ghi_kwh_m2_day[ctx.worst_month(s) - 1]))
    season = hardness[(len(hardness) - 1) // 2]
    month = ctx.worst_month(season)
    beside = sum(month_yield(ctx, a, a.controller, ctx.climate, month).energy_wh_day for a in p.own_arrays)
    drive = _drive_wh(ctx)
    need = max(1.0, demand.raw(uses[season].design_energy_wh, ctx.chem.round_trip) - drive - beside)
    each = label_yield(ctx, month)
    target = min(roof_w, need / each if each > 0 else roof_w)
    gives = " and ".join([*(["driving"] if drive > 0 else []), *([says("panels-with-controller-their")] if p.own_arrays else [])])
    more = says("more-than-give", gives=gives, value_is=" and " in gives) if gives else ""
    return target, roof_w, [says("in-takes", season=season, need_wh=need, more=more)]


def _controller_for(ctx: Context) -> list[Proposal]:
    """A controller for panels that are there already; nothing where it was chosen too."""
    p = ctx.design.power
    what = ", ".join(a.name for a in p.shared_arrays)
    if p.controller is not None and (p.controller.by == "typed" or p.controller.owned):
        return [
            Proposal(id="solar", group="solar", status="kept", title=says("solar"), what=what, why=[says("panels-and-controller-chosen")], assumes=[], patch=[])
        ]
    found = cheapest_controller(ctx, p.shared_arrays, mppt_by_price(ctx.region.key))
    if found is None:
        return [
            Proposal(
                id="solar",
                group="solar",
                status="kept",
                title=says("solar"),
                what=what,
                why=[says("no-controller-catalogue-takes")],
                assumes=[],
                patch=[],
            )
        ]
    part, out = found
    same = p.controller is not None and p.controller.part == part.key
    value = {"name": part.name, "part": part.key, "mass_kg": part.mass_kg, "by": "proposal", **part.data}
    fuses = [
        {"op": "replace", "path": f"/power/arrays/{i}/string_fuse", "value": True}
        for i, a in enumerate(p.arrays)
        if out.string_fuse_required and a.controller is None and not a.string_fuse
    ]
    return [
        Proposal(
            id="solar",
            group="solar",
            status="fitted" if same and not fuses else "change" if p.controller else "new",
            title=says("solar-controller"),
            what=part.name,
            why=[says("for-on-coldest-morning", what=what, voc_cold_v=out.voc_cold_v, data_v=part.data["max_voltage_v"])],
            assumes=[],
            patch=fuses if same else [{"op": "replace", "path": "/power/controller", "value": value}, *fuses],
            price=part.price,
            mass_kg=part.mass_kg,
        )
    ]


def _best_string(
    ctx: Context, target_w: float, roof_w: float, typed: SolarController | None
) -> tuple[Part[PanelSheet], int, int, Part[ControllerSheet] | None, Any] | None:
    """Panels and controller that reach the target without a finding: few strings first, then the cheapest; the most that the roof takes when none does.

    With a controller that was chosen already (``typed``) the panels that it takes.
    """
    options = []
    for panel in of_kind("panel", ctx.region.key):
        if panel.data["mounting"] == "glued":
            continue
        room = room_for(ctx.design, panel.length_mm / 1000, panel.width_mm / 1000)
        for s in (1, 2, 3, 4):
            for n in range(1, 7):
                power = panel.data["panel_power_w"] * s * n
                if (power > roof_w + 1e-9 if room is None else s * n > room) or power > 1.5 * target_w + panel.data["panel_power_w"]:
                    continue
                array = SolarArray.model_validate({**panel.data, "id": "x", "series_count": s, "parallel_count": n})
                options.append((round(10 * min(power, target_w) / target_w), n <= FEW_STRINGS, -panel.price * s * n, panel, s, n, array))
    options.sort(key=lambda o: o[:3], reverse=True)
    for _, _, _, panel, s, n, array in options:
        if typed is not None:
            out = solar_string(string_input(ctx, [array], typed))
            if not BAD_STRING_RULES & set(out.rules) and out.clip_frac <= MOST_CLIPPED and out.voc_cold_v <= EXTRA_LOW_V:
                return panel, s, n, None, out
            continue
        found = cheapest_controller(ctx, [array], mppt_by_price(ctx.region.key))
        if found is not None and found[1].voc_cold_v <= EXTRA_LOW_V:
            return panel, s, n, *found
    return None


FEW_STRINGS = 2
"""Strings side by side that need no fuse of their own."""
NIGHT_H = 10.0
"""A night on a hook-up (typical)."""


def refill_wh(ctx: Context) -> float:
    """What one night on a hook-up puts into the bank, in Wh: the inlet for hours, with nothing else on it, through a charger of 88 %."""
    shore = ctx.design.power.shore
    inlet = (shore.inlet_current_a if shore is not None and shore.inlet_current_a else None) or ctx.region.inlet_a
    return NIGHT_H * inlet * ctx.region.mains_v * ctx.region.continuous_frac * 0.88 * 0.9


def propose_bank(ctx: Context, uses: dict[str, LoadBudgetOut]) -> Proposal | None:
    """A lithium iron phosphate bank from catalogue units for the stay, the cold and the largest current; never more than its sources fill."""
    chem = CHEMISTRIES["lifepo4"]
    flows = {s: f for s, f in deficits(ctx, uses).items() if f[0] > 0}
    if not flows and not ctx.hooked:
        return None
    cold = ctx.bank_cold().value
    peak = max(u.peak_current_a for u in uses.values())
    why: list[str] = []
    short: list[str] = []
    if ctx.hooked:
        need = cut_need(ctx)
        if need.value <= 0:
            return None
        required = bank_size(
            BankSizeIn.trusted(
                chemistry="lifepo4",
                daily_energy_wh=need.value,
                autonomy_days=1.0,
                daily_input_wh=0.0,
                system_voltage_v=ctx.system_v,
                bank_temp_c=max(-40, cold),
                peak_current_a=peak,
            )
        ).required_charge_ah
        why.append(says("hook-up-every-night-carries", need_wh=need.value, cut_h=CUT_H, required_ah=required))
    else:
        required, why, short = _stay(ctx, flows, cold, peak)
        if not ctx.design.power.arrays:
            why.append(says("take-solar-first"))
    why.append(says("at-peak-flow", peak_a=peak))
    fitting: list[tuple[float, Part[BatterySheet], int, int]] = []
    largest: tuple[float, Part[BatterySheet], int, int] | None = None
    series_of = {12: {12.8: 1}, 24: {12.8: 2, 25.6: 1}, 48: {12.8: 4, 25.6: 2}}[ctx.system_v]
    for part in of_kind("battery", ctx.region.key):
        d = part.data
        if d["chemistry"] != "lifepo4" or d["unit_voltage_v"] not in series_of or (cold < 0 and not d["heater_power_w"]) or not d["cold_charge_cutoff"]:
            continue
        s = series_of[d["unit_voltage_v"]]
        for n in range(1, chem.parallel_max + 1):
            out = bank_configure(
                BankConfigureIn.trusted(
                    chemistry="lifepo4",
                    unit_voltage_v=d["unit_voltage_v"],
                    unit_charge_ah=d["unit_charge_ah"],
                    series_count=s,
                    parallel_count=n,
                    unit_max_discharge_a=d["unit_max_discharge_a"],
                    wiring="busbar" if n > 2 else "diagonal",
                )
            )
            item = (part.price * s * n, part, s, n)
            if largest is None or d["unit_charge_ah"] * n > largest[1].data["unit_charge_ah"] * largest[3]:
                largest = item
            if d["unit_charge_ah"] * n >= required - 1e-6 and out.max_discharge_a >= peak - 1e-6:
                fitting.append(item)
    if not fitting and largest is None:
        return None
    price, part, s, n = min(fitting, key=lambda x: x[0]) if fitting else largest  # type: ignore[misc]
    value = {
        "name": f"{s * n} × {part.name}" if s * n > 1 else part.name,
        "part": part.key,
        **part.data,
        "series_count": s,
        "parallel_count": n,
        "unit_mass_kg": part.mass_kg,
        "wiring": "busbar" if n > 2 else "diagonal",
        "by": "proposal",
    }
    if not fitting:
        why.append(says("no-bank-strings-from", parallel_max=chem.parallel_max))
    if cold < 0:
        why.append(says("cells-get-to-so", cold_c=cold, bank_places=BANK_PLACES[ctx.bank_place]))
    return part_proposal(
        "bank",
        "/power/bank",
        says("bank"),
        str(value["name"]),
        value,
        _dump(ctx.design.power.bank),
        [*why, *short],
        [
            says("lithium-iron-phosphate-used"),
            says("coldest-cells", cold_c=cold),
            *([] if ctx.hooked else [says("driving-counted-as-daily") if ctx.drive_daily else says("standing-still-between-hook")]),
        ],
        price=price,
        mass=part.mass_kg * s * n,
    )


def _stay(ctx: Context, flows: dict[str, tuple[float, float]], cold: float, peak: float) -> tuple[float, list[str], list[str]]:
    """Charge in Ah for the stay between hook-ups, as far as one night on a hook-up fills it; why, and what stays short with the cheapest ways out."""
    season = max(flows, key=lambda s: flows[s][0] - flows[s][1])
    daily, income = flows[season]
    net, nights, fill = max(0.0, daily - income), max(0.1, ctx.nights), refill_wh(ctx)
    carried = min(nights, fill / net) if net > 0 else nights
    by_season = {
        s: bank_size(
            BankSizeIn.trusted(
                chemistry="lifepo4",
                daily_energy_wh=out,
                autonomy_days=max(0.1, carried),
                daily_input_wh=min(come, 1e6),
                system_voltage_v=ctx.system_v,
                bank_temp_c=max(-40, cold),
                peak_current_a=peak,
                floor_energy_wh=min(out, fill),
            )
        )
        for s, (out, come) in flows.items()
    }
    hardest = max(by_season, key=lambda s: by_season[s].required_charge_ah)
    sized = by_season[hardest]
    why = [
        says(
            "in-go-out-and",
            hardest=hardest,
            flows_wh=flows[hardest][0],
            flows_wh_2=flows[hardest][1],
            carried=carried,
            required_charge_ah=sized.required_charge_ah,
            governing=sized.governing,
        )
    ]
    if carried >= nights - 1e-9:
        return sized.required_charge_ah, why, []
    less = net - fill / nights
    each = label_yield(ctx, ctx.worst_month(season))
    hungriest = max(ctx.design.life.appliances, key=lambda a: a.running_w * a.count * load_power_and_time(a.load)[1], default=None)
    ways = [
        says("hook-up-every-night-2", value=max(1, int(carried)), carried=int(carried)),
        says("use-less", less_wh=less) + (says("first-all", hungriest_name=hungriest.name) if hungriest else ""),
    ]
    ways.append(
        says("drive", less_h=less / (30.0 * ctx.bank_v))
        if ctx.alternator_a > 0 and not ctx.drive_daily
        else says("more-panels", less_w=less / each)
        if each > 0
        else says("generator")
    )
    return (
        sized.required_charge_ah,
        why,
        [says("one-night-on-hook", fill_kwh=fill / 1000, net_kwh=net * nights / 1000, nights=nights, ways="; ".join(ways))],
    )


def _beside_the_sun(ctx: Context, limit_a: float, smallest_a: float) -> tuple[float, list[str]]:
    """What of the bank's charging current the panels leave for another charger in A, and why; room for the smallest charger where they leave less."""
    sun = sun_charge_of(ctx)
    if sun <= EPS:
        return limit_a, []
    return max(limit_a - sun, min(limit_a, smallest_a)), [says("panels-already-charge-with", sun_a=sun, limit_a=limit_a)]


def propose_driving(ctx: Context, uses: dict[str, LoadBudgetOut]) -> Proposal | None:
    """A DC-DC charger that alternator and bank allow."""
    bank = ctx.design.power.bank
    if bank is None or bank.station is not None or ctx.alternator_a <= 0 or ctx.drive_h <= 0:
        return None
    season = worst_season(ctx, uses)
    gap = max(1.0, demand.raw(uses[season].design_energy_wh, ctx.chem.round_trip) - solar_of(ctx, season).value)
    parts = [p for p in of_kind("dcdc", ctx.region.key) if p.data["school"] == "dcdc"]
    capacity = bank.unit_charge_ah * bank.parallel_count
    limit = most_charge_a(bank)
    limit, shared = _beside_the_sun(ctx, limit, min(p.data["rating_a"] for p in parts))
    out = dcdc_size(
        DcdcSizeIn.trusted(
            chemistry=bank.chemistry,
            capacity_ah=capacity,
            max_charge_a=limit,
            system_voltage_v=ctx.system_v,
            alternator_rated_a=ctx.alternator_a,
            alternator_system_v=ctx.vehicle_system_v,
            smart_alternator=ctx.smart,
            drive_h=ctx.drive_h,
            required_energy_wh=gap,
            ratings_a=[p.data["rating_a"] for p in parts],
        )
    )
    part = next((p for p in parts if p.data["rating_a"] == out.rating_a), None)
    if part is None:
        return None
    value = {"name": part.name, "part": part.key, "mass_kg": part.mass_kg, "by": "proposal", **part.data}
    why = [
        says("alternator-can-spare-bank", available_running_a=out.available_running_a, bank_limit_a=out.bank_limit_a, limited_by=out.limited_by),
        says("driving-give-without-sun", drive_h=ctx.drive_h, energy_per_drive_wh=out.energy_per_drive_wh or 0, season=season, gap_wh=gap),
        *shared,
    ]
    return part_proposal(
        "driving",
        "/power/driving",
        says("driving-charge"),
        part.name,
        value,
        _dump(ctx.design.power.driving),
        why,
        [says("alternator-smart-at-most", alternator_a=ctx.alternator_a, smart=bool(ctx.smart))],
        price=part.price,
        mass=part.mass_kg,
    )


def propose_shore(ctx: Context, uses: dict[str, LoadBudgetOut]) -> Proposal | None:
    """The smallest mains charger that fills the bank in a night, within what bank, inlet and generator give; in the US with the inlet that carries it all."""
    p = ctx.design.power
    bank = p.bank
    if bank is None or bank.station is not None:
        return None
    capacity = bank.unit_charge_ah * bank.parallel_count
    limit = most_charge_a(bank)
    best = None
    parts = sorted(of_kind("charger", ctx.region.key), key=lambda p: p.data["charger_current_a"])
    room, shared = _beside_the_sun(ctx, limit, parts[0].data["charger_current_a"])
    for part in parts:
        amps = part.data["charger_current_a"]
        if amps > room + 1e-9 or (ctx.system_v > 12 and amps * ctx.system_v / 12 > 160):
            break
        if p.generator is not None and best is not None and amps * ctx.bank_v * CHARGER_INPUT > p.generator.rating_w:
            break
        out = shore_charge_time(
            ShoreChargeTimeIn.trusted(
                chemistry=bank.chemistry, capacity_ah=capacity, max_charge_a=limit, system_voltage_v=ctx.system_v, charger_current_a=amps, region=ctx.region.key
            )
        )
        best = (part, out)
        if out.time_h is not None and out.time_h <= 10:
            break
    if best is None:
        return None
    part, out = best
    value = {"name": part.name, "part": part.key, "mass_kg": part.mass_kg, "by": "proposal", **part.data}
    why = [says("from-to-full-in", time_h=out.time_h or 0, limit_a=limit), *shared]
    if ctx.region.key == "us":
        amps_ac = part.data["charger_current_a"] * ctx.bank_v * CHARGER_INPUT / ctx.region.mains_v
        ac = [(a.running_w * a.count / ctx.region.mains_v) for a in ctx.design.life.appliances if a.supply == "ac"]
        inlet, legs = us_inlet([amps_ac, *ac], ctx.region.continuous_frac)
        value |= {"inlet_current_a": inlet, "legs": legs}
        why.append(says("inlet-charger-and-mains", legs_is=legs == 2, inlet_a=inlet, amps_ac_a=amps_ac + sum(ac)))
    assumes = [says("inlet", region_name=ctx.region.name, value_a=value.get("inlet_current_a", ctx.region.inlet_a))]
    return part_proposal(
        "shore", "/power/shore", says("shore-charger"), part.name, value, _dump(ctx.design.power.shore), why, assumes, price=part.price, mass=part.mass_kg
    )


US_INLETS_A = (15.0, 20.0, 30.0)
"""Inlets of 120 V; above them 120/240 V with 50 A on each of two legs."""


def us_inlet(amps: list[float], continuous_frac: float) -> tuple[float, int]:
    """The smallest US inlet that carries everything at once for hours, and its legs."""
    together = sum(amps)
    small = next((a for a in US_INLETS_A if a * continuous_frac >= together - 1e-9), None)
    return (small, 1) if small is not None else (50.0, 2)
