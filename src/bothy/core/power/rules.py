"""Rules of power: findings raised from the calculators' rule ids and from the whole design (method power.balance)."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from bothy.core.catalogue.parts import of_kind
from bothy.core.context import BANK_PLACES, Context
from bothy.core.design.power import Bank, DrivingCharge, Shore, SolarArray, SolarController
from bothy.core.finding import Finding, Remedy, Severity, finding
from bothy.core.power import rule_table as _registered  # noqa: F401  (the rules have to be known before they are raised)
from bothy.core.power.around import HOT_C, inverter_cabinet, rating_left
from bothy.core.power.bank import BankConfigureOut
from bothy.core.power.battery_rules import bank_findings
from bothy.core.power.driving import DcdcSizeOut
from bothy.core.power.load_budget import LoadBudgetOut
from bothy.core.power.panels import array_power, cheapest_controller, controller_of, mppt_by_price
from bothy.core.power.part import PowerPart
from bothy.core.power.profile import profile_findings
from bothy.core.power.shore import ShoreChargeTimeOut
from bothy.core.power.source_rules import source_findings
from bothy.core.power.supply import Strings, Supply, belt_power, second_alternator_a
from bothy.core.power.uses import inverter_use

SEASON_WORD = {"winter": "winter", "shoulder": "spring or autumn", "summer": "summer"}
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
        "power-bank-series-limit": f"The bank has {bank.series_count} batteries in series: {b.voltage_v:.1f} V.",
        "power-bank-parallel-many": f"The bank has {bank.parallel_count} strings in parallel.",
        "power-bank-same-end": "Both leads come off the same end, so the strings share the current as "
        + ", ".join(f"{x:.0%}" for x in b.string_share_frac)
        + ".",
        "power-bank-sharing": f"The hardest-worked string carries {b.sharing_ratio:.2f} times as much as the one that carries least.",
        "power-bank-discharge-limit": (
            f"With everything on, {max(u.peak_current_a for u in uses.values()):.0f} A are drawn; the bank gives at most {b.max_discharge_a:.0f} A."
        ),
        "power-bank-voltage-mismatch": f"The bank makes {b.voltage_v:.1f} V on a {ctx.system_v} V system.",
    }
    for r in b.rules:
        fix = None
        if r == "power-bank-same-end":
            fix = Remedy(label="Take the leads off diagonally", patch=[{"op": "replace", "path": "/power/bank/wiring", "value": "diagonal"}])
        yield finding(r, "bank", bank.name, words.get(r, ""), figures=["power/bank/max_discharge_a"], fix=fix)


def _of_strings(ctx: Context, x: Strings) -> Iterator[Finding]:
    st, subject = x.out, f"array:{x.own}" if x.own else "solar"
    name = x.arrays[0].name if x.own else "Solar"
    on_it = [f"array:{a.id}" for a in x.arrays]
    charge_v, input_a = 1.2 * ctx.system_v, f"the controller’s input takes {_input_a(x.controller):.0f} A."
    words = {
        "power-solar-voc-over": f"At {ctx.record_cold().value:.0f} °C the string makes {st.voc_cold_v:.1f} V; the controller’s limit is "
        f"{x.controller.max_voltage_v:.0f} V: one cold, bright morning can destroy it.",
        "power-solar-voc-tight": f"In the coldest dawn the string reaches {st.voc_cold_v:.1f} V, which leaves {st.voltage_headroom_frac:.0%} to the limit.",
        "power-solar-vmp-low": f"In the heat the string makes {st.vmp_hot_v:.1f} V; to charge on the hottest days it must make {charge_v:.1f} V.",
        "power-solar-start-low": (
            f"In the heat the string’s open-circuit voltage is {st.voc_hot_v:.1f} V; the controller starts some volts above {charge_v:.1f} V."
        ),
        "power-solar-isc-over": f"The strings make {st.isc_a:.1f} A; {input_a}",
        "power-solar-isc-tight": f"With cloud-edge sun the strings make {st.isc_design_a:.1f} A; {input_a}",
        "power-solar-overpanel": (
            f"The panels have {st.overpanel_ratio:.2f} times the power of their controller; in the best hours it leaves {st.clip_frac:.0%} of it unused."
        ),
        "power-solar-mismatch": f"Panels that differ hold each other back and lose {st.mismatch_frac:.0%} of the power.",
        "power-solar-pwm-loss": f"PWM gives {st.pwm_power_w:.0f} W of the {st.mppt_power_hot_w:.0f} W that MPPT would.",
        "power-panel-data-inconsistent": _odd_labels(x.arrays),
        "power-solar-string-fuse-none": f"For {st.string_count} strings no rating lies between what the sun drives through one and what its panels allow.",
    }
    for r in st.rules:
        if r == "power-solar-string-fuse":
            bare = [(i, a) for i, a in enumerate(ctx.design.power.arrays) if f"array:{a.id}" in on_it and not a.string_fuse]
            if bare:
                fuse = next((g.fuse_a for g in st.groups if g.fuse_a), None)
                text = (
                    f"All {st.string_count} strings can feed {max(g.backfeed_a for g in st.groups):.1f} A back into a faulty one; fuse each with "
                    f"{fuse or '?'} A."
                )
                patch = [{"op": "replace", "path": f"/power/arrays/{i}/string_fuse", "value": True} for i, _ in bare]
                yield finding(r, subject, name, text, figures=[], fix=Remedy(label="Fit a fuse in each string", patch=patch), related=on_it)
        else:
            fix = _apart(ctx, x.arrays) if r == "power-solar-mismatch" else None
            yield finding(r, subject, name, words.get(r, ""), figures=[f"power/string{x.key}/voc_cold_v"], fix=fix, related=on_it)


def _of_second(ctx: Context, p: DrivingCharge) -> Iterator[Finding]:
    amps = second_alternator_a(ctx).value
    yield finding(
        "power-second-alternator",
        "driving",
        p.name,
        f"The second alternator is rated {p.rating_a:.0f} A and gives about {amps:.0f} A hot; its belt must carry "
        f"{belt_power.raw(14.0 * ctx.scale, p.rating_a) / 1000:.1f} kW.",
    )


def _of_driving(ctx: Context, d: DcdcSizeOut, p: DrivingCharge) -> Iterator[Finding]:
    words = {
        "power-lithium-direct-alternator": f"The bank would draw {d.relay_current_a or 0:.0f} A; the hot alternator can spare {d.available_running_a:.0f} A.",
        "power-relay-overload": f"The bank would draw {d.relay_current_a or 0:.0f} A; the alternator can spare {d.available_running_a:.0f} A.",
        "power-relay-smart-alternator": "A smart alternator drops to 12.2 to 12.8 V after the start, and then almost nothing flows."
        + ("" if ctx.design.vehicle.smart_alternator is not None else f" That it is smart is assumed, as usual of a {ctx.preset.name}: confirm it in Vehicle."),
        "power-alternator-no-room": _no_room(ctx, d),
        "power-alternator-idle": f"At idle the alternator gives too little, and {d.idle_deficit_a or 0:.0f} A come out of the starter battery.",
        "power-dcdc-input-drop": f"The cable to the charger loses {d.cable_drop_v or 0:.2f} V.",
    }
    for r in d.rules:
        if r == "power-driving-charge-short":
            continue
        title = (
            {"bank": "Driving charge above the bank’s limit", "cable": "Cable too thin for the charger"}.get(d.limited_by or "")
            if r == "power-alternator-no-room"
            else None
        )
        remedy = (
            {"bank": "Use a smaller charger, or a battery that takes more.", "cable": "Fit a thicker cable, or a smaller charger."}.get(d.limited_by or "")
            if title
            else None
        )
        assumed = r == "power-relay-smart-alternator" and ctx.design.vehicle.smart_alternator is None
        made = finding(r, "driving", p.name, words.get(r, ""), figures=["power/driving/available_running_a"])
        yield made.model_copy(update={**({"title": title, "remedy": remedy} if title else {}), **({"severity": "advice"} if assumed else {})})


def _of_shore(sh: ShoreChargeTimeOut, bank: BankConfigureOut | None, p: Shore | None) -> Iterator[Finding]:
    words = {
        "power-charger-over-bank": (
            f"The charger gives {p.charger_current_a if p else 0:.0f} A; the bank takes at most {bank.max_charge_a if bank else 0:.0f} A."
        ),
        "power-charger-small": f"With this charger the bank needs {sh.time_h or 0:.0f} h on the hook-up to fill.",
        "power-charge-no-surplus": "The loads take all that the charger gives, and nothing is left to charge the bank.",
        "power-shore-overload": f"The hook-up gives {sh.supply_limit_w:.0f} W, less than charger and mains appliances can take together.",
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
        return f"The driving charger gives {amps:.0f} A; the bank takes at most {d.bank_limit_a:.0f} A."
    if d.limited_by == "cable":
        return f"At {amps:.0f} A the cable would leave the charger less than the {11 * ctx.scale:.0f} V that it needs."
    return f"Charging with {amps:.0f} A takes more from the alternator than the {d.available_running_a:.0f} A that it can spare."


def _odd_labels(arrays: list[SolarArray]) -> str:
    """Panels whose volts and amps don't make their watts."""
    odd = [a for a in arrays if abs(a.vmp_v * a.imp_a / a.panel_power_w - 1) > 0.05]
    return " ".join(f"By its label “{a.name}” gives {a.panel_power_w:g} W, but {a.vmp_v:g} V × {a.imp_a:g} A are {a.vmp_v * a.imp_a:.0f} W." for a in odd)


def _apart(ctx: Context, arrays: list[SolarArray]) -> Remedy | None:
    """The smallest of unlike arrays on a controller of its own, the cheapest that takes it."""
    a = min(arrays, key=array_power)
    found = cheapest_controller(ctx, [a], mppt_by_price(ctx.region.key))
    if len(arrays) < 2 or found is None:
        return None
    part, _ = found
    value = {**part.data, "name": part.name, "part": part.key, "mass_kg": part.mass_kg, "by": "typed"}
    path = f"/power/arrays/{ctx.design.power.arrays.index(a)}/controller"
    return Remedy(label=f"Give “{a.name}” its own {part.name}", patch=[{"op": "replace", "path": path, "value": value}])


def _inverter(ctx: Context, s: Supply, refit: Refit) -> list[Finding]:
    inv = ctx.design.power.inverter
    if inv is None:
        return []
    out: list[Finding] = []
    if s.feed:
        f = s.feed
        index = next((i for i, c in enumerate(ctx.design.wiring.circuits) if c.kind == "inverter"), None)
        for r in f.rules:
            fix = None
            if r == "power-system-voltage-low":
                text = f"The inverter draws {f.dc_current_a:.0f} A at {ctx.system_v} V, which takes very thick cable."
            else:
                word = "breaker" if "breaker" in r else "fuse"
                have = ctx.design.wiring.circuits[index].fuse_a if index is not None else 0
                text = (
                    f"The {have:g} A {word} feeds an inverter that draws {f.dc_current_a:.0f} A (design {f.design_current_a:.0f} A); "
                    f"it trips or blows above {f.supported_peak_w or 0:.0f} W of mains power."
                )
                fix = refit(index) if index is not None else None
            out.append(
                finding(
                    r,
                    "inverter",
                    inv.name,
                    text,
                    figures=["power/feed/dc_current_a", "power/feed/design_current_a"],
                    fix=fix,
                    related=[ctx.design.wiring.circuits[index].id] if index is not None else [],
                )
            )
    if s.air is not None and s.air.value > HOT_C:
        left = rating_left.raw(inv.rating_w, s.air.value)
        box = inverter_cabinet(ctx)
        where = f"in “{box.name}”" if box else "no cabinet is entered, so as outside"
        out.append(
            finding(
                "power-inverter-hot",
                "inverter",
                inv.name,
                f"On the hottest day the air around the inverter is {s.air.value:.0f} °C ({where}); about {left:.0f} of its {inv.rating_w:.0f} W are left.",
                figures=["power/inverter/air_c", "power/inverter/left_w"],
            )
        )
    if s.size:
        if s.size.rating_w is None:
            out.append(
                finding(
                    "power-inverter-none-fits",
                    "inverter",
                    inv.name,
                    f"The loads need {s.size.required_power_w:.0f} W, more than any inverter in the catalogue gives at this voltage.",
                )
            )
        elif inv.rating_w < s.size.required_power_w - 1e-9:
            out.append(
                finding(
                    "power-inverter-small",
                    "inverter",
                    inv.name,
                    f"The inverter gives {inv.rating_w:.0f} W; running, starting and the margin need {s.size.required_power_w:.0f} W ({s.size.governing}).",
                    figures=["power/size/required_power_w"],
                )
            )
        smallest = min((p.data["rating_w"] for p in of_kind("inverter")), default=0.0)
        if s.size.coincident_power_w < 0.15 * inv.rating_w and inv.rating_w > smallest + 1e-9:
            out.append(
                finding(
                    "power-inverter-oversized",
                    "inverter",
                    inv.name,
                    f"The inverter’s load is {s.size.coincident_power_w:.0f} W of {inv.rating_w:.0f} W; left on, it uses "
                    f"{24 * inverter_use(ctx).idle_w:.0f} Wh a day by "
                    "itself.",
                )
            )
        if s.size.pure_sine_required and not inv.pure_sine:
            who = ", ".join(a.name for a in ctx.design.life.appliances if a.supply == "ac" and a.pure_sine)
            out.append(finding("power-modified-sine", "inverter", inv.name, f"These need a pure sine wave: {who}."))
    return out


def _cold(ctx: Context, s: Supply) -> list[Finding]:
    """Lithium that will be charged below freezing (or whose charging the cold blocks)."""
    b = ctx.design.power.bank
    charged = ctx.design.power.arrays or ctx.design.power.driving or ctx.design.power.shore
    if b is None or s.cold is None or not charged:
        return []
    t, where = s.cold.value, BANK_PLACES[ctx.bank_place]
    if not ctx.chem.lithium:
        if t < -15:
            return [finding("power-charge-temperature", "bank", b.name, f"The bank gets to {t:.0f} °C {where}: a lead-acid bank takes no charge below −15 °C.")]
        return []
    if t >= 0 or (b.cold_charge_cutoff and b.heater_power_w > 0):
        return []
    figures = ["power/bank/cold_c"]
    if b.cold_charge_cutoff:
        text = f"The cells get to {t:.0f} °C {where}; the bank’s own cut-off then refuses all charge, sun and alternator included."
        return [finding("power-charge-below-freezing", "bank", b.name, text, figures=figures, severity="advice")]
    warm = " The bank’s heater is no cut-off: charge reaches cells that it has not warmed yet." if b.heater_power_w > 0 else ""
    text = (
        f"The cells get to {t:.0f} °C {where} in the planned months, and nothing stops the charge: lithium plates as metal, "
        f"capacity is lost for good, later a short circuit inside.{warm}"
    )
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
            label=f"Fit {same.name}, with a cold-charge cut-off",
            patch=[
                {"op": "replace", "path": "/power/bank/part", "value": same.key},
                {"op": "replace", "path": "/power/bank/unit_mass_kg", "value": same.mass_kg},
                {"op": "replace", "path": "/power/bank/heater_power_w", "value": same.data["heater_power_w"]},
                {"op": "replace", "path": "/power/bank/cold_charge_cutoff", "value": True},
            ],
        )
    else:
        fix = Remedy(label="Place the bank inside, in the warm", patch=[{"op": "replace", "path": "/vehicle/bank_place", "value": "warm_inside"}])
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
            f"{b.supply_wh:,.0f} Wh come in a day{' with the driving' if driven else ''}"
            if ctx.drive_daily
            else f"{b.solar_wh:,.0f} Wh come in a day, standing still"
        )
        other = ""
        if driven and b.standing_days is not None:
            other = f" Standing still it takes {b.standing_days:.1f} days."
        elif not ctx.drive_daily and b.drive_wh > 0:
            other = (
                f" With {ctx.drive_h:g} h of driving each day it would take {b.days:.1f} days."
                if b.days is not None
                else f" With {ctx.drive_h:g} h of driving each day the bank would not empty."
            )
        text = (
            f"On a {SEASON_WORD[b.season]} day you use {b.demand_wh:,.0f} Wh and {comes}: from full to empty in {lasts:.1f} days, with {ctx.nights:g} night"
            f"{'' if ctx.nights == 1 else 's'} between hook-ups.{other}"
        )
        figures = [f"power/{b.season}/{k}" for k in ("demand_wh", "solar_wh", "supply_wh", "days", "standing_days")]
        out.append(finding("power-balance-negative", b.season, SEASON_WORD[b.season].capitalize(), text, figures=figures, severity=severity))
    worst = max((b for b in part.seasons if b.planned), key=lambda b: b.demand_wh)
    if s.usable_wh.value < worst.demand_wh - 1e-9 and not ctx.hooked:
        out.append(
            finding(
                "power-bank-floor",
                "bank",
                ctx.design.power.bank.name if ctx.design.power.bank else "Bank",
                f"At the end of its life and in the cold the bank stores {s.usable_wh.value:,.0f} Wh; a {SEASON_WORD[worst.season]} day uses "
                f"{worst.demand_wh:,.0f} Wh.",
                figures=["power/bank/usable_wh", f"power/{worst.season}/demand_wh"],
            )
        )
    if not ctx.chem.lithium and ctx.design.power.shore is None and all(b.balance_wh < 0 for b in part.seasons if b.planned):
        out.append(
            finding(
                "power-lead-never-full", "bank", "Bank", "In the planned months no source fills the lead-acid bank: left half charged, its plates sulphate."
            )
        )
    return out


def power_findings(ctx: Context, uses: dict[str, LoadBudgetOut], s: Supply, part: PowerPart, refit: Refit) -> list[Finding]:
    """All findings of Power and of the load budget. ``refit`` gives the remedy that sizes a circuit anew, by its index."""
    out = [
        *_calc_rules(ctx, s, uses),
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
            out.append(
                finding(
                    "power-load-saturated", load.id, a.name if a else load.id, f"In {SEASON_WORD[worst]} this appliance would have to run more than 24 h a day."
                )
            )
    inv = ctx.design.power.inverter
    if inv is not None:
        if "power-inverter-hours-short" in budget.rules:
            out.append(
                finding("power-inverter-hours-short", "inverter", inv.name, f"The inverter is on {inv.on_h or 0:g} h a day, and a mains appliance runs longer.")
            )
        if "power-inverter-idle-heavy" in budget.rules:
            i = budget.inverter_idle_wh
            fix = Remedy(label="Switch it on only with a load", patch=[{"op": "replace", "path": "/power/inverter/mode", "value": "with_load"}])
            out.append(
                finding(
                    "power-inverter-idle-heavy",
                    "inverter",
                    inv.name,
                    f"The inverter uses {i:.0f} Wh a day, {i / budget.energy_wh:.0%} of the day, with nothing plugged in.",
                    figures=[f"life/{worst}/inverter_idle_wh"],
                    fix=fix if inv.mode == "always" else None,
                )
            )
    if ctx.design.power.arrays:
        lost = [f"array:{a.id}" for a in ctx.design.power.arrays if controller_of(ctx.design.power, a) is None]
        if lost:
            out.append(
                finding("power-solar-no-controller", "solar", "Solar", "The panels have no charge controller, so they can’t charge the bank.", related=lost)
            )
        bare = [i for i, a in enumerate(ctx.design.power.arrays) if not a.disconnect]
        if bare:
            patch = [{"op": "replace", "path": f"/power/arrays/{i}/disconnect", "value": True} for i in bare]
            out.append(
                finding(
                    "power-solar-disconnect",
                    "solar",
                    "Solar",
                    "A DC arc does not go out by itself; an AC switch is no substitute.",
                    fix=Remedy(label="Add a double-pole disconnect", patch=patch),
                    related=[f"array:{ctx.design.power.arrays[i].id}" for i in bare],
                )
            )
        glued = [f"array:{a.id}" for a in ctx.design.power.arrays if a.mounting == "glued"]
        if glued:
            out.append(
                finding(
                    "power-panel-glued-hot",
                    "solar",
                    "Solar",
                    "Glued panels run about 15 °C hotter than ones with air under them, and give less.",
                    related=glued,
                )
            )
    return out
