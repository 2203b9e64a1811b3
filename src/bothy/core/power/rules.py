"""Rules of power: findings raised from the calculators' rule ids and from the whole design (method power.balance)."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from bothy.core.catalogue.parts import of_kind
from bothy.core.context import BANK_PLACES, Context
from bothy.core.contract import EPS
from bothy.core.design.power import Bank, DrivingCharge, Inverter, Shore, SolarArray, SolarController
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.power import rule_table as _registered  # noqa: F401  (the rules have to be known before they are raised)
from bothy.core.power.around import HOT_C, inverter_cabinet, rating_left
from bothy.core.power.bank import BankConfigureOut
from bothy.core.power.battery_rules import bank_findings
from bothy.core.power.driving import DcdcSizeOut
from bothy.core.power.inverter import InverterSizeOut
from bothy.core.power.load_budget import LoadBudgetOut
from bothy.core.power.panels import EXTRA_LOW_V, array_power, cheapest_controller, controller_of, mppt_by_price, sun_charge_a
from bothy.core.power.part import PowerPart
from bothy.core.power.profile import profile_findings
from bothy.core.power.shore import ShoreChargeTimeOut
from bothy.core.power.source_rules import source_findings
from bothy.core.power.supply import Strings, Supply, belt_power, second_alternator_a
from bothy.core.power.uses import inverter_use
from bothy.core.severity import Severity
from bothy.core.words.says import power_says as says

SEASON_WORD = {"winter": "winter", "shoulder": says("spring-or-autumn"), "summer": "summer"}
Refit = Callable[[int], Remedy | None]


def _calc_rules(ctx: Context, s: Supply, uses: dict[str, LoadBudgetOut]) -> Iterator[Finding]:
    """Findings for the rule ids that the calculators raised, with their figures in words."""
    p = ctx.design.power
    if s.bank and p.bank:
        yield from _of_bank(ctx, s.bank, p.bank, uses)
    for x in s.strings:
        yield from _of_strings(ctx, x)
    if p.driving and p.driving.school == "second":
        yield from _of_second(ctx, p.driving)
    if s.driving and p.driving:
        yield from _of_driving(ctx, s.driving, p.driving)
    if s.shore:
        yield from _of_shore(s.shore, s.bank, p.shore)


def _of_bank(ctx: Context, b: BankConfigureOut, bank: Bank, uses: dict[str, LoadBudgetOut]) -> Iterator[Finding]:
    words = {
        "power-bank-series-limit": says("bank-has-batteries-in", series_count=bank.series_count, voltage_v=b.voltage_v),
        "power-bank-parallel-many": says("bank-has-strings-in", parallel_count=bank.parallel_count),
        "power-bank-same-end": says("both-leads-come-off") + ", ".join(f"{x:.0%}" for x in b.string_share_frac) + ".",
        "power-bank-sharing": says("hardest-worked-string-carries", sharing_ratio=b.sharing_ratio),
        "power-bank-discharge-limit": (
            says("with-everything-on-drawn", peak_current_as_a=max(u.peak_current_a for u in uses.values()), max_discharge_a=b.max_discharge_a)
        ),
        "power-bank-voltage-mismatch": says("bank-makes-on-system", voltage_v=b.voltage_v, system_v=ctx.system_v),
    }
    for r in b.rules:
        fix = None
        if r == "power-bank-same-end":
            fix = Remedy(label=says("take-leads-off-diagonally"), patch=[{"op": "replace", "path": "/power/bank/wiring", "value": "diagonal"}])
        yield finding(r, "bank", bank.name, words.get(r, ""), figures=["power/bank/max_discharge_a"], fix=fix)


def _of_strings(ctx: Context, x: Strings) -> Iterator[Finding]:
    st, subject = x.out, f"array:{x.own}" if x.own else "solar"
    name = x.arrays[0].name if x.own else says("solar")
    on_it = [f"array:{a.id}" for a in x.arrays]
    charge_v, input_a = 1.2 * ctx.system_v, says("controllers-input-takes", input_a=_input_a(x.controller))
    words = {
        "power-solar-voc-over": says(
            "at-string-makes-controllers", value_c=ctx.record_cold().value, voc_cold_v=st.voc_cold_v, max_voltage_v=x.controller.max_voltage_v
        ),
        "power-solar-voc-tight": says("in-coldest-dawn-string", voc_cold_v=st.voc_cold_v, voltage_headroom_frac=st.voltage_headroom_frac),
        "power-solar-vmp-low": says("in-heat-string-makes", vmp_hot_v=st.vmp_hot_v, charge_v=charge_v),
        "power-solar-start-low": (says("in-heat-strings-open", voc_hot_v=st.voc_hot_v, charge_v=charge_v)),
        "power-solar-isc-over": says("strings-make", isc_a=st.isc_a, input_a=input_a),
        "power-solar-isc-tight": says("with-cloud-edge-sun", isc_design_a=st.isc_design_a, input_a=input_a),
        "power-solar-overpanel": (says("panels-have-times-power", overpanel_ratio=st.overpanel_ratio, clip_frac=st.clip_frac)),
        "power-solar-mismatch": says("panels-that-differ-hold", mismatch_frac=st.mismatch_frac),
        "power-solar-pwm-loss": says("pwm-gives-that-mppt", pwm_power_w=st.pwm_power_w, mppt_power_hot_w=st.mppt_power_hot_w),
        "power-panel-data-inconsistent": _odd_labels(x.arrays),
        "power-solar-string-fuse-none": says("for-strings-no-rating", string_count=st.string_count),
    }
    if st.voc_cold_v > EXTRA_LOW_V:
        told = says("coldest-dawn-string-above", voc_cold_v=st.voc_cold_v)
        yield finding("power-solar-high-voltage", subject, name, told, figures=[f"power/string{x.key}/voc_cold_v"], related=on_it)
    for r in st.rules:
        if r == "power-solar-string-fuse":
            bare = [(i, a) for i, a in enumerate(ctx.design.power.arrays) if f"array:{a.id}" in on_it and not a.string_fuse]
            if bare:
                fuse = next((g.fuse_a for g in st.groups if g.fuse_a), None)
                text = says("all-strings-can-feed", string_count=st.string_count, backfeed_as_a=max(g.backfeed_a for g in st.groups), fuse_a=fuse or "?")
                patch = [{"op": "replace", "path": f"/power/arrays/{i}/string_fuse", "value": True} for i, _ in bare]
                yield finding(r, subject, name, text, figures=[], fix=Remedy(label=says("fit-fuse-in-each"), patch=patch), related=on_it)
        else:
            fix = _apart(ctx, x.arrays) if r == "power-solar-mismatch" else None
            yield finding(r, subject, name, words.get(r, ""), figures=[f"power/string{x.key}/voc_cold_v"], fix=fix, related=on_it)


def _of_second(ctx: Context, p: DrivingCharge) -> Iterator[Finding]:
    amps = second_alternator_a(ctx).value
    yield finding(
        "power-second-alternator",
        "driving",
        p.name,
        says("second-alternator-rated-and", rating_a=p.rating_a, amps_a=amps, raw_kw=belt_power.raw(14.0 * ctx.scale, p.rating_a) / 1000),
    )


def _of_driving(ctx: Context, d: DcdcSizeOut, p: DrivingCharge) -> Iterator[Finding]:
    words = {
        "power-lithium-direct-alternator": says("bank-would-draw-hot", relay_current_a=d.relay_current_a or 0, available_running_a=d.available_running_a),
        "power-relay-overload": says("bank-would-draw-alternator", relay_current_a=d.relay_current_a or 0, available_running_a=d.available_running_a),
        "power-relay-smart-alternator": says("smart-alternator-drops-to")
        + ("" if ctx.design.vehicle.smart_alternator is not None else says("that-smart-assumed-as", preset_name=ctx.preset.name)),
        "power-alternator-no-room": _no_room(ctx, d),
        "power-alternator-idle": says("at-idle-alternator-gives", idle_deficit_a=d.idle_deficit_a or 0),
        "power-dcdc-input-drop": says("cable-to-charger-loses", cable_drop_v=d.cable_drop_v or 0),
    }
    for r in d.rules:
        if r == "power-driving-charge-short" or (r == "power-dcdc-input-drop" and _as_proposed(ctx)):
            continue
        title = (
            {"bank": says("driving-charge-above-banks"), "cable": says("cable-too-thin-for")}.get(d.limited_by or "")
            if r == "power-alternator-no-room"
            else None
        )
        remedy = {"bank": says("use-smaller-charger-or"), "cable": says("fit-thicker-cable-or")}.get(d.limited_by or "") if title else None
        assumed = r == "power-relay-smart-alternator" and ctx.design.vehicle.smart_alternator is None
        habit = r == "power-alternator-idle" and p.by == "proposal"  # of one who idles to charge, no fault of what was chosen
        made = finding(r, "driving", p.name, words.get(r, ""), figures=["power/driving/available_running_a"])
        severity = "advice" if assumed else "note" if habit else made.severity
        yield made.model_copy(update={"severity": severity, **({"title": title, "remedy": remedy} if title else {})})


def _as_proposed(ctx: Context) -> bool:
    """Whether the charger's cable is Bothy's own, sized for what a charger that regulates stands (method wiring.voltage-drop), and says so."""
    return all(c.by == "proposal" for c in ctx.design.circuits_of("driving_in"))


def _of_shore(sh: ShoreChargeTimeOut, bank: BankConfigureOut | None, p: Shore | None) -> Iterator[Finding]:
    words = {
        "power-charger-over-bank": (
            says("charger-gives-bank-takes", charger_current_a=p.charger_current_a if p else 0, max_charge_a=bank.max_charge_a if bank else 0)
        ),
        "power-charger-small": says("with-this-charger-bank", time_h=sh.time_h or 0),
        "power-charge-no-surplus": says("loads-take-all-that"),
        "power-shore-overload": says("hook-up-gives-less", supply_limit_w=sh.supply_limit_w),
    }
    for r in sh.rules:
        if r != "power-charge-below-freezing":
            yield finding(r, "shore", p.name if p else "", words.get(r, ""))


def _input_a(c: SolarController) -> float:
    """What a controller's input takes: of its data sheet, else its charge current."""
    return c.max_input_current_a if c.max_input_current_a is not None else c.max_charge_current_a


def _no_room(ctx: Context, d: DcdcSizeOut) -> str:
    """Why the driving charge is too much: for the alternator, for the bank, or for the cable."""
    driving = ctx.design.power.driving
    amps = driving.rating_a if driving is not None else 0.0
    if d.limited_by == "bank":
        return says("driving-charger-gives-bank", amps_a=amps, bank_limit_a=d.bank_limit_a)
    if d.limited_by == "cable":
        return says("at-cable-would-leave", amps_a=amps, scale_v=11 * ctx.scale)
    return says("charging-with-takes-more", amps_a=amps, available_running_a=d.available_running_a)


def _odd_labels(arrays: list[SolarArray]) -> str:
    """Panels whose volts and amps don't make their watts."""
    odd = [a for a in arrays if abs(a.vmp_v * a.imp_a / a.panel_power_w - 1) > 0.05]
    return " ".join(
        says("by-label-gives-but", a_name=a.name, panel_power_w=a.panel_power_w, vmp_v=a.vmp_v, imp_a=a.imp_a, vmp_w=a.vmp_v * a.imp_a) for a in odd
    )


def _apart(ctx: Context, arrays: list[SolarArray]) -> Remedy | None:
    """The smallest of unlike arrays on a controller of its own, the cheapest that takes it."""
    a = min(arrays, key=array_power)
    found = cheapest_controller(ctx, [a], mppt_by_price(ctx.region.key))
    if len(arrays) < 2 or found is None:
        return None
    part, _ = found
    value = {**part.data, "name": part.name, "part": part.key, "mass_kg": part.mass_kg, "by": "typed"}
    path = f"/power/arrays/{ctx.design.power.arrays.index(a)}/controller"
    return Remedy(label=says("give-own", a_name=a.name, part_name=part.name), patch=[{"op": "replace", "path": path, "value": value}])


def _together(ctx: Context, s: Supply) -> Iterator[Finding]:
    """What the panels give, alone and with the strongest other source, above what the bank may be charged with. Hook-up and engine never charge at once."""
    p = ctx.design.power
    if s.bank is None or p.bank is None or p.bank.station is not None or not s.strings:
        return
    solar = sum(sun_charge_a(x.controller, x.out) for x in s.strings)
    others = [(x.rating_a, x.name) for x in (p.driving,) if x is not None and x.school in ("dcdc", "second")]
    others += [(x.charger_current_a, x.name) for x in (p.shore,) if x is not None]
    beside, name = max(others, default=(0.0, ""))
    most, figures = s.bank.max_charge_a, ["power/bank/max_charge_a"]
    if solar > most + EPS:
        assumed = p.bank.unit_max_charge_a is None
        text = says("panels-charge-with-bank", solar_a=solar, max_charge_a=most, assumed=assumed)
        yield finding("power-solar-over-bank", "solar", says("solar"), text, figures=figures, related=["bank"], severity="advice" if assumed else None)
    elif beside <= most + EPS < solar + beside:
        text = says("panels-and-charge-together", solar_a=solar, beside_a=beside, name=name, max_charge_a=most)
        yield finding("power-charge-together", "bank", p.bank.name, text, figures=figures, related=["solar"])


def _feeding(ctx: Context, s: Supply, inv: Inverter, refit: Refit) -> Iterator[Finding]:
    """The inverter's current against the protection of its cable, the system's voltage and its bank."""
    f = s.feed
    if f is None:
        return
    index = next((i for i, c in enumerate(ctx.design.wiring.circuits) if c.kind == "inverter"), None)
    for r in f.rules:
        fix = None
        if r == "power-system-voltage-low":
            text = says("inverter-draws-at-which", dc_current_a=f.dc_current_a, system_v=ctx.system_v)
        else:
            text = says(
                "feeds-inverter-that-draws",
                have_a=ctx.design.wiring.circuits[index].fuse_a if index is not None else 0,
                word="breaker" if "breaker" in r else "fuse",
                dc_current_a=f.dc_current_a,
                design_current_a=f.design_current_a,
                supported_peak_w=f.supported_peak_w or 0,
            )
            fix = refit(index) if index is not None else None
        figures = ["power/feed/dc_current_a", "power/feed/design_current_a"]
        related = [ctx.design.wiring.circuits[index].id] if index is not None else []
        yield finding(r, "inverter", inv.name, text, figures=figures, fix=fix, related=related)
    if s.bank is not None and f.nominal_current_a > s.bank.max_discharge_a + EPS and "power-bank-discharge-limit" not in s.bank.rules:
        text = says("inverter-at-full-draws", nominal_current_a=f.nominal_current_a, max_discharge_a=s.bank.max_discharge_a, lithium=ctx.chem.lithium)
        figures = ["power/feed/nominal_current_a", "power/bank/max_discharge_a"]
        yield finding("power-inverter-over-bank", "inverter", inv.name, text, figures=figures, related=["bank"])


def _hot(ctx: Context, s: Supply, inv: Inverter) -> Iterator[Finding]:
    """What heat around the inverter leaves of it."""
    if s.air is None or s.air.value <= HOT_C:
        return
    left = rating_left.raw(inv.rating_w, s.air.value)
    box = inverter_cabinet(ctx)
    where = f"in “{box.name}”" if box else says("no-cabinet-entered-so")
    text = says("on-hottest-air-around", air_c=s.air.value, where=where, left=left, rating_w=inv.rating_w)
    yield finding("power-inverter-hot", "inverter", inv.name, text, figures=["power/inverter/air_c", "power/inverter/left_w"])


def _sized(ctx: Context, size: InverterSizeOut, inv: Inverter) -> Iterator[Finding]:
    """The inverter's rating, its short rating and its wave against the loads on it."""

    def told(rule_id: str, text: str, *figures: str) -> Finding:
        return finding(rule_id, "inverter", inv.name, text, figures=list(figures))

    need = size.required_power_w
    if size.rating_w is None:
        yield told("power-inverter-none-fits", says("loads-need-more-than", required_power_w=need))
    elif inv.rating_w < need - EPS:
        text = says("inverter-gives-running-starting", rating_w=inv.rating_w, required_power_w=need, governing=size.governing)
        yield told("power-inverter-small", text, "power/size/required_power_w")
    elif inv.surge_power_w is not None and inv.surge_power_w < size.start_power_w - EPS:
        text = says("for-seconds-inverter-gives", surge_power_w=inv.surge_power_w, start_power_w=size.start_power_w)
        yield told("power-inverter-small", text, "power/inverter_surge/need", "power/inverter_surge/have")
    smallest = min((p.data["rating_w"] for p in of_kind("inverter")), default=0.0)
    if size.coincident_power_w < 0.15 * inv.rating_w and inv.rating_w > smallest + EPS:
        idle = 24 * inverter_use(ctx).idle_w
        text = says("inverters-load-left-on", coincident_power_w=size.coincident_power_w, rating_w=inv.rating_w, idle_wh=idle)
        yield told("power-inverter-oversized", text)
    if size.pure_sine_required and not inv.pure_sine:
        who = ", ".join(a.name for a in ctx.design.life.appliances if a.supply == "ac" and a.pure_sine)
        yield told("power-modified-sine", says("these-need-pure-sine", who=who))


def _inverter(ctx: Context, s: Supply, refit: Refit) -> Iterator[Finding]:
    """All that is said of the inverter."""
    inv = ctx.design.power.inverter
    if inv is not None:
        yield from _feeding(ctx, s, inv, refit)
        yield from _hot(ctx, s, inv)
        if s.size:
            yield from _sized(ctx, s.size, inv)


def _cold(ctx: Context, s: Supply) -> list[Finding]:
    """Lithium that will be charged below freezing (or whose charging the cold blocks)."""
    b = ctx.design.power.bank
    charged = ctx.design.power.arrays or ctx.design.power.driving or ctx.design.power.shore
    if b is None or s.cold is None or not charged:
        return []
    t, where = s.cold.value, BANK_PLACES[ctx.bank_place]
    if not ctx.chem.lithium:
        if t < -15:
            return [finding("power-charge-temperature", "bank", b.name, says("bank-gets-to-lead", t_c=t, where=where))]
        return []
    if t >= 0 or (b.cold_charge_cutoff and b.heater_power_w > 0):
        return []
    figures = ["power/bank/cold_c"]
    if b.cold_charge_cutoff:
        text = says("cells-get-to-banks", t_c=t, where=where)
        return [finding("power-charge-below-freezing", "bank", b.name, text, figures=figures, severity="advice")]
    warm = says("banks-heater-no-cut") if b.heater_power_w > 0 else ""
    text = says("cells-get-to-in", t_c=t, where=where, warm=warm)
    like = [
        p
        for p in of_kind("battery")
        if p.data["chemistry"] == b.chemistry
        and p.data["unit_voltage_v"] == b.unit_voltage_v
        and p.data["unit_charge_ah"] == b.unit_charge_ah
        and p.data["cold_charge_cutoff"]
    ]
    same = max(like, key=lambda p: p.data["heater_power_w"], default=None)
    if same:
        fix = Remedy(
            label=says("fit-with-cold-charge", same_name=same.name),
            patch=[
                {"op": "replace", "path": "/power/bank/part", "value": same.key},
                {"op": "replace", "path": "/power/bank/unit_mass_kg", "value": same.mass_kg},
                {"op": "replace", "path": "/power/bank/heater_power_w", "value": same.data["heater_power_w"]},
                {"op": "replace", "path": "/power/bank/cold_charge_cutoff", "value": True},
            ],
        )
    else:
        fix = Remedy(label=says("place-bank-inside-in"), patch=[{"op": "replace", "path": "/vehicle/bank_place", "value": "warm_inside"}])
    return [finding("power-charge-below-freezing", "bank", b.name, text, figures=figures, fix=fix)]


def _balance(ctx: Context, s: Supply, part: PowerPart) -> list[Finding]:
    out: list[Finding] = []
    if not ctx.design.life.appliances or s.usable_wh is None:
        return out
    for b in part.seasons:
        lasts = b.days if ctx.drive_daily else b.standing_days
        if not b.planned or lasts is None or ctx.nights <= 0:
            continue
        enough = lasts >= ctx.nights - 1e-9
        if enough and (b.balance_wh >= 0 or ctx.design.power.shore is not None):  # it lasts the stay, and driving or the next hook-up fills it
            continue
        severity: Severity = "advice" if enough else "fault"
        driven = ctx.drive_daily and b.drive_wh > 0
        comes = (
            says("come-in-with-driving", supply_wh=b.supply_wh, driven=bool(driven)) if ctx.drive_daily else says("come-in-standing-still", solar_wh=b.solar_wh)
        )
        other = ""
        if driven and b.standing_days is not None:
            other = says("standing-still-takes", standing_days=b.standing_days)
        elif not ctx.drive_daily and b.drive_wh > 0:
            other = (
                says("with-driving-each-would", drive_h=ctx.drive_h, days=b.days) if b.days is not None else says("with-driving-each-bank", drive_h=ctx.drive_h)
            )
        text = says("on-you-use-and", season_word=SEASON_WORD[b.season], demand_wh=b.demand_wh, comes=comes, lasts=lasts, nights=ctx.nights, other=other)
        figures = [f"power/{b.season}/{k}" for k in ("demand_wh", "solar_wh", "supply_wh", "days", "standing_days")]
        out.append(finding("power-balance-negative", b.season, SEASON_WORD[b.season].capitalize(), text, figures=figures, severity=severity))
    worst = max((b for b in part.seasons if b.planned), key=lambda b: b.demand_wh)
    if s.usable_wh.value < worst.demand_wh - 1e-9 and not ctx.hooked:
        out.append(
            finding(
                "power-bank-floor",
                "bank",
                ctx.design.power.bank.name if ctx.design.power.bank else says("bank"),
                says("at-end-life-and", usable_wh=s.usable_wh.value, season_word=SEASON_WORD[worst.season], demand_wh=worst.demand_wh),
                figures=["power/bank/usable_wh", f"power/{worst.season}/demand_wh"],
            )
        )
    if not ctx.chem.lithium and ctx.design.power.shore is None and all(b.balance_wh < 0 for b in part.seasons if b.planned):
        out.append(finding("power-lead-never-full", "bank", says("bank"), says("in-planned-months-no")))
    return out


def power_findings(ctx: Context, uses: dict[str, LoadBudgetOut], s: Supply, part: PowerPart, refit: Refit) -> list[Finding]:
    """All findings of Power and of the load budget. ``refit`` gives the remedy that sizes a circuit anew, by its index."""
    out = [
        *_calc_rules(ctx, s, uses),
        *_together(ctx, s),
        *_inverter(ctx, s, refit),
        *_cold(ctx, s),
        *_balance(ctx, s, part),
        *profile_findings(ctx),
        *bank_findings(ctx, s, uses),
        *source_findings(ctx, s, part),
    ]
    worst = max((b for b in part.seasons if b.planned), key=lambda b: b.demand_wh).season
    budget = uses[worst]
    for load in budget.loads:
        if load.saturated:
            a = ctx.design.appliance(load.id)
            out.append(finding("power-load-saturated", load.id, a.name if a else load.id, says("in-this-appliance-would", season_word=SEASON_WORD[worst])))
    inv = ctx.design.power.inverter
    if inv is not None:
        if "power-inverter-hours-short" in budget.rules:
            out.append(finding("power-inverter-hours-short", "inverter", inv.name, says("inverter-on-and-mains", on_h=inv.on_h or 0)))
        if "power-inverter-idle-heavy" in budget.rules:
            i = budget.inverter_idle_wh
            fix = Remedy(label=says("switch-on-only-with"), patch=[{"op": "replace", "path": "/power/inverter/mode", "value": "with_load"}])
            out.append(
                finding(
                    "power-inverter-idle-heavy",
                    "inverter",
                    inv.name,
                    says("inverter-uses-with-nothing", i_wh=i, i=i / budget.energy_wh),
                    figures=[f"life/{worst}/inverter_idle_wh"],
                    fix=fix if inv.mode == "always" else None,
                )
            )
    if ctx.design.power.arrays:
        lost = [f"array:{a.id}" for a in ctx.design.power.arrays if controller_of(ctx.design.power, a) is None]
        if lost:
            out.append(finding("power-solar-no-controller", "solar", says("solar"), says("panels-have-no-charge"), related=lost))
        bare = [i for i, a in enumerate(ctx.design.power.arrays) if not a.disconnect]
        if bare:
            patch = [{"op": "replace", "path": f"/power/arrays/{i}/disconnect", "value": True} for i in bare]
            out.append(
                finding(
                    "power-solar-disconnect",
                    "solar",
                    says("solar"),
                    says("dc-arc-does-not"),
                    fix=Remedy(label=says("add-double-pole-disconnect"), patch=patch),
                    related=[f"array:{ctx.design.power.arrays[i].id}" for i in bare],
                )
            )
        glued = [f"array:{a.id}" for a in ctx.design.power.arrays if a.mounting == "glued"]
        if glued:
            out.append(
                finding(
                    "power-panel-glued-hot",
                    "solar",
                    says("solar"),
                    says("glued-panels-run-about"),
                    related=glued,
                )
            )
    return out
