"""Proposals for inverter, solar, bank, driving charge and shore, from the appliances and the catalogue."""

from __future__ import annotations

from typing import Any

from bothy.core.catalogue.parts import Part, of_kind
from bothy.core.context import BANK_PLACES, Context
from bothy.core.design.power import SolarArray
from bothy.core.power.around import inverter_air
from bothy.core.power.bank import BankConfigureIn, BankSizeIn, bank_configure, bank_size
from bothy.core.power.chemistry import CHEMISTRIES
from bothy.core.power.driving import DcdcSizeIn, dcdc_size
from bothy.core.power.inverter import InverterSizeIn, inverter_size
from bothy.core.power.load_budget import LoadBudgetOut
from bothy.core.power.panels import cheapest_controller, label_yield, month_yield, mppt_by_price, solar_of
from bothy.core.power.shore import ShoreChargeTimeIn, shore_charge_time
from bothy.core.power.supply import ROOF_SHARE, W_PER_M2, demand, inverter_loads
from bothy.core.proposals.base import Proposal, part_proposal, slug


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
    """An inverter for the mains appliances; none when there are none."""
    loads = inverter_loads(ctx.design.life.appliances)
    if not loads:
        return None
    parts = [p for p in of_kind("inverter") if p.data["pure_sine"]]
    known = inverter_air(ctx)
    air = min(70.0, known.value if known is not None else ctx.hot_c)
    need = inverter_size(InverterSizeIn.trusted(region=ctx.region.key, loads=loads, ratings_w=[p.data["rating_w"] for p in parts], ambient_temp_c=air))
    part = next((p for p in sorted(parts, key=lambda p: p.data["rating_w"]) if p.data["rating_w"] == need.rating_w), None)
    if part is None:
        return None
    value = {"name": part.name, "part": part.key, "rating_w": part.data["rating_w"], "surge_power_w": part.data["surge_power_w"],
             "idle_w": part.data["idle_w"], "pure_sine": True, "mode": "with_load", "mass_kg": part.mass_kg, "by": "proposal"}  # fmt: skip
    why = [f"Running together: {need.coincident_power_w:,.0f} W; hardest start: {need.start_power_w:,.0f} W.",
           f"With 25 % headroom{f' and {air:.0f} °C round it' if need.derate_frac < 1 else ''} that asks for {need.required_power_w:,.0f} W ({need.governing})."]  # fmt: skip
    return part_proposal("inverter", "/power/inverter", "Inverter", part.name, value, _dump(ctx.design.power.inverter), why,
                         ["Mains appliances of 800 W and more run one at a time, on top of the light ones.", "Switched on only while something uses it."],
                         price=part.price_eur, mass=part.mass_kg)  # fmt: skip


def _drive_wh(ctx: Context) -> float:
    """Energy of a day's driving to plan with: of the charger that was typed, else a modest one; none where driving is not said to be daily.

    A proposed charger does not count: it is sized on what sun and bank leave, so they can't be sized on it in turn.
    """
    d = ctx.design.power.driving
    if not ctx.drive_daily:
        return 0.0
    return d.rating_a * ctx.bank_v * ctx.drive_h if d and d.by == "typed" else min(30.0, 0.2 * ctx.alternator_a) * ctx.bank_v * ctx.drive_h


def propose_solar(ctx: Context, uses: dict[str, LoadBudgetOut]) -> list[Proposal]:
    """Panels and a controller: to cover the middle planned season by sun alone, as far as the roof goes."""
    p = ctx.design.power
    roof_w = ROOF_SHARE * ctx.inside_length_m * ctx.inside_width_m * W_PER_M2
    planned = [s for s in uses if any(m in ctx.months for m in ctx.season_months(s))]
    hardness = sorted(planned, key=lambda s: uses[s].design_energy_wh / max(0.05, ctx.climate.ghi_kwh_m2_day[ctx.worst_month(s) - 1]))
    target_season = hardness[(len(hardness) - 1) // 2]
    month = ctx.worst_month(target_season)
    own, shared = p.own_arrays, p.shared_arrays
    beside = sum(month_yield(ctx, a, a.controller, ctx.climate, month).energy_wh_day for a in own)
    need = max(1.0, demand.raw(uses[target_season].design_energy_wh, ctx.chem.round_trip) - _drive_wh(ctx) - beside)
    each = label_yield(ctx, month)
    target = min(roof_w, need / each if each > 0 else roof_w)
    typed = any(a.by == "typed" for a in shared) or (p.controller is not None and p.controller.by == "typed")
    best = _best_string(ctx, target, roof_w)
    if best is None:
        return []
    panel, s, n, controller, out = best
    power = panel.data["panel_power_w"] * s * n
    array = {**panel.data, "id": slug("roof", {a.id for a in own}), "name": f"{s * n} × {panel.name}", "part": panel.key, "series_count": s, "parallel_count": n,
             "unit_mass_kg": panel.mass_kg, "string_fuse": out.string_fuse_required, "disconnect": True, "by": "proposal"}  # fmt: skip
    control = {"name": controller.name, "part": controller.key, "mass_kg": controller.mass_kg, "by": "proposal", **controller.data}
    limited = "the roof limits it" if target >= roof_w - 1e-9 else f"that covers {target_season} by sun alone"
    why = [f"In {target_season} a day takes {need:,.0f} Wh more than driving{' and the panels with a controller of their own' if own else ''} {'give' if own else 'gives'}; {power:,.0f} W, because {limited}.",
           f"{s} in series, {n} parallel: {out.voc_cold_v:.0f} V on the coldest morning, the controller stands {controller.data['max_voltage_v']:.0f} V."]  # fmt: skip
    assumes = [f"{ROOF_SHARE:.0%} of the inside area is free on the roof, flat, unshaded.", f"Sun of {ctx.climate.name}, approximate monthly normals."]
    what = f"{s * n} × {panel.name} on {controller.name}"
    if typed:
        return [Proposal(id="solar", group="solar", status="kept", title="Solar", what=what, why=why, assumes=assumes, patch=[])]
    old = [a.model_dump(mode="json") for a in shared]
    same = len(old) == 1 and all(old[0].get(k) == v for k, v in array.items()) and (_dump(p.controller) or {}).get("part") == controller.key
    patch = (
        []
        if same
        else [
            {"op": "replace", "path": "/power/arrays", "value": [*(a.model_dump(mode="json") for a in own), array]},
            {"op": "replace", "path": "/power/controller", "value": control},
        ]
    )
    return [Proposal(id="solar", group="solar", status="fitted" if same else "change" if old else "new", title="Solar", what=what, why=why, assumes=assumes,
                     patch=patch, price_eur=panel.price_eur * s * n + controller.price_eur, mass_kg=panel.mass_kg * s * n + controller.mass_kg)]  # fmt: skip


def _best_string(ctx: Context, target_w: float, roof_w: float) -> tuple[Part, int, int, Part, Any] | None:
    """The cheapest panels and controller that reach the target without a finding; the most that the roof takes when none does."""
    options = []
    for panel in of_kind("panel"):
        if panel.data["mounting"] == "glued":
            continue
        for s in (1, 2, 3, 4):
            for n in range(1, 7):
                power = panel.data["panel_power_w"] * s * n
                if power > roof_w + 1e-9 or power > 1.5 * target_w + panel.data["panel_power_w"]:
                    continue
                array = SolarArray.model_validate({**panel.data, "id": "x", "series_count": s, "parallel_count": n})
                options.append((round(10 * min(power, target_w) / target_w), -panel.price_eur * s * n, panel, s, n, array))
    options.sort(key=lambda o: (o[0], o[1]), reverse=True)
    for _, _, panel, s, n, array in options:
        found = cheapest_controller(ctx, [array], mppt_by_price())
        if found is not None:
            return panel, s, n, *found
    return None


def propose_bank(ctx: Context, uses: dict[str, LoadBudgetOut]) -> Proposal | None:
    """A lithium iron phosphate bank from catalogue units for the stay, the cold and the largest current."""
    chem = CHEMISTRIES["lifepo4"]
    flows = {s: f for s, f in deficits(ctx, uses).items() if f[0] > 0}
    if not flows:
        return None
    cold = ctx.bank_cold().value
    peak = max(u.peak_current_a for u in uses.values())
    series_of = {12: {12.8: 1}, 24: {12.8: 2, 25.6: 1}, 48: {12.8: 4, 25.6: 2}}[ctx.system_v]
    by_season = {
        s: bank_size(BankSizeIn.trusted(chemistry="lifepo4", daily_energy_wh=daily, autonomy_days=max(0.1, ctx.nights), daily_input_wh=min(income, 1e6),
                                system_voltage_v=ctx.system_v, bank_temp_c=max(-40, cold), peak_current_a=peak))
        for s, (daily, income) in flows.items()
    }  # fmt: skip
    season = max(by_season, key=lambda s: by_season[s].required_charge_ah)
    sized = by_season[season]
    daily, income = flows[season]
    fitting: list[tuple[float, Part, int, int]] = []
    largest: tuple[float, Part, int, int] | None = None
    for part in of_kind("battery"):
        d = part.data
        if d["chemistry"] != "lifepo4" or d["unit_voltage_v"] not in series_of or (cold < 0 and not d["heater_power_w"]) or not d["cold_charge_cutoff"]:
            continue
        s = series_of[d["unit_voltage_v"]]
        for n in range(1, chem.parallel_max + 1):
            out = bank_configure(BankConfigureIn.trusted(chemistry="lifepo4", unit_voltage_v=d["unit_voltage_v"], unit_charge_ah=d["unit_charge_ah"], series_count=s,
                                                 parallel_count=n, unit_max_discharge_a=d["unit_max_discharge_a"], wiring="busbar" if n > 2 else "diagonal"))  # fmt: skip
            item = (part.price_eur * s * n, part, s, n)
            if largest is None or d["unit_charge_ah"] * n > largest[1].data["unit_charge_ah"] * largest[3]:
                largest = item
            if d["unit_charge_ah"] * n >= sized.required_charge_ah - 1e-6 and out.max_discharge_a >= peak - 1e-6:
                fitting.append(item)
    if not fitting and largest is None:
        return None
    price, part, s, n = min(fitting, key=lambda x: x[0]) if fitting else largest  # type: ignore[misc]
    value = {"name": f"{s * n} × {part.name}" if s * n > 1 else part.name, "part": part.key, **part.data, "series_count": s, "parallel_count": n,
             "unit_mass_kg": part.mass_kg, "wiring": "busbar" if n > 2 else "diagonal", "by": "proposal"}  # fmt: skip
    why = [f"In {season} {daily:,.0f} Wh go out and {income:,.0f} Wh come in a day; for {ctx.nights:g} nights that asks for {sized.required_charge_ah:,.0f} Ah ({sized.governing}).",
           f"At the peak {peak:,.0f} A flow."]  # fmt: skip
    if not fitting:
        why.append(f"No bank of {chem.parallel_max} strings from the catalogue reaches that; this is the largest. Shorten the stay, use less, or add sources.")
    if cold < 0:
        why.append(f"Cells get to {cold:.0f} °C {BANK_PLACES[ctx.bank_place]}, so the units are heated ones.")
    return part_proposal("bank", "/power/bank", "Bank", value["name"], value, _dump(ctx.design.power.bank), why,
                         ["Lithium iron phosphate, used to 80 %, worn to 80 % at the end of its life.", f"Coldest cells {cold:.0f} °C."],
                         price=price, mass=part.mass_kg * s * n)  # fmt: skip


def propose_driving(ctx: Context, uses: dict[str, LoadBudgetOut]) -> Proposal | None:
    """A DC-DC charger that alternator and bank allow."""
    bank = ctx.design.power.bank
    if bank is None or ctx.alternator_a <= 0 or ctx.drive_h <= 0:
        return None
    season = worst_season(ctx, uses)
    gap = max(1.0, demand.raw(uses[season].design_energy_wh, ctx.chem.round_trip) - solar_of(ctx, season).value)
    parts = [p for p in of_kind("dcdc") if p.data["school"] == "dcdc"]
    capacity = bank.unit_charge_ah * bank.parallel_count
    limit = (bank.unit_max_charge_a or ctx.chem.max_charge_c * bank.unit_charge_ah) * bank.parallel_count
    out = dcdc_size(DcdcSizeIn.trusted(chemistry=bank.chemistry, capacity_ah=capacity, max_charge_a=limit, system_voltage_v=ctx.system_v, alternator_rated_a=ctx.alternator_a,
                               alternator_system_v=ctx.vehicle_system_v, smart_alternator=ctx.smart, drive_h=ctx.drive_h, required_energy_wh=gap,
                               ratings_a=[p.data["rating_a"] for p in parts]))  # fmt: skip
    part = next((p for p in parts if p.data["rating_a"] == out.rating_a), None)
    if part is None:
        return None
    value = {"name": part.name, "part": part.key, "mass_kg": part.mass_kg, "by": "proposal", **part.data}
    why = [f"The alternator can spare {out.available_running_a:.0f} A; the bank takes {out.bank_limit_a:.0f} A; limited by the {out.limited_by}.",
           f"{ctx.drive_h:g} h of driving give {out.energy_per_drive_wh or 0:,.0f} Wh; a {season} day without sun lacks {gap:,.0f} Wh."]  # fmt: skip
    return part_proposal("driving", "/power/driving", "Driving charge", part.name, value, _dump(ctx.design.power.driving), why,
                         [f"{ctx.alternator_a:.0f} A alternator, {'smart' if ctx.smart else 'plain'}; at most half of it for the bank."],
                         price=part.price_eur, mass=part.mass_kg)  # fmt: skip


def propose_shore(ctx: Context, uses: dict[str, LoadBudgetOut]) -> Proposal | None:
    """The smallest mains charger that fills the bank in a night, within what bank and inlet take."""
    bank = ctx.design.power.bank
    if bank is None:
        return None
    capacity = bank.unit_charge_ah * bank.parallel_count
    limit = (bank.unit_max_charge_a or ctx.chem.max_charge_c * bank.unit_charge_ah) * bank.parallel_count
    best = None
    for part in sorted(of_kind("charger"), key=lambda p: p.data["charger_current_a"]):
        amps = part.data["charger_current_a"]
        if amps > limit + 1e-9 or (ctx.system_v > 12 and amps * ctx.system_v / 12 > 160):
            break
        out = shore_charge_time(ShoreChargeTimeIn.trusted(chemistry=bank.chemistry, capacity_ah=capacity, max_charge_a=limit, system_voltage_v=ctx.system_v,
                                                  charger_current_a=amps, region=ctx.region.key))  # fmt: skip
        best = (part, out)
        if out.time_h is not None and out.time_h <= 10:
            break
    if best is None:
        return None
    part, out = best
    value = {"name": part.name, "part": part.key, "mass_kg": part.mass_kg, "by": "proposal", **part.data}
    why = [f"From 20 % to full in {out.time_h or 0:.1f} h, one night on a hook-up; the bank takes {limit:.0f} A."]
    return part_proposal("shore", "/power/shore", "Shore charger", part.name, value, _dump(ctx.design.power.shore), why,
                         [f"{ctx.region.name}: {ctx.region.inlet_a:.0f} A inlet, no other mains load while charging."], price=part.price_eur, mass=part.mass_kg)  # fmt: skip
