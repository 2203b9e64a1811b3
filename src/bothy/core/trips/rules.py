"""Rules of the trip: what runs out, how likely, and what would help (method trips.run)."""

from __future__ import annotations

import datetime as dt
import math
from functools import partial
from typing import TYPE_CHECKING

from bothy.core.catalogue.climates import MONTHS
from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.design.power import Bank, SolarArray
from bothy.core.finding import Finding, finding, in_order
from bothy.core.places import legs_of, nearest
from bothy.core.power.panels import ACROSS_M, curve_factor, month_yield
from bothy.core.sun.curved import CurvedPanelFactorIn, CurvedPanelFactorOut, curved_panel_factor
from bothy.core.trips.generator import runs_dry
from bothy.core.trips.itinerary import FAR_KM, FAR_M, days_of
from bothy.core.trips.rule_table import Add

if TYPE_CHECKING:
    from bothy.core.trips.run import TripRun

LOW_RESERVE = 0.05
HOOKED_FRAC, STANDS_WITHOUT_SUN_D = 1 / 3, 2.0
SMALL_SUN, FED_FRAC = 0.3, 2 / 3
FULL_LEAD, LEAD_DAYS = 0.97, 7
BENT_LOSS, MUCH_BENT = 0.10, 0.30
PLANNED_YEARS, IDLE_PART, CLIPPED, MUCH_CLIPPED = 10, 0.15, 0.03, 0.10
HEAT_MISSING, MUCH_ASSUMED, SNOW_DAYS, COLD_RUN_H = 0.05, 0.5, 3, 2.0
MUCH_UNUSED, MOSTLY_DRIVING, STANDS_DAYS = 0.4, 0.7, 3
WORDS = (
    (0.005, "a day or two a year"),
    (0.02, "a handful of days a year"),
    (0.10, "plan B needed: hook-up, generator or driving"),
    (1.01, "undersized for this use"),
)


def in_words(short_days_frac: float, draws: int, days: int) -> str:
    """How bad a share of short days is, in plain words (method trips.results)."""
    if short_days_frac <= 0:
        return f"not seen in {draws} simulated trips, so below {3 / draws:.1%} of them"
    return next(words for limit, words in WORDS if short_days_frac < limit)


def when(run: TripRun, day: float) -> str:
    """A moment of the trip as date and time: ``3 Nov, 05:45``."""
    moment = dt.datetime.fromisoformat(run.days[0].date) + dt.timedelta(days=day)
    return f"{moment.day} {moment:%b, %H:%M}"


def _standing(ctx: Context) -> int:
    """Most days in a row without a drive and without a hook-up."""
    most = run = 0
    for leg in legs_of(ctx.design):
        for n in range(leg.days_count):
            run = 0 if leg.shore or leg.drives_on(n) else run + 1
            most = max(most, run)
    return most


HOT_HOURS_DAY, DAMP_PART, FREEZE_PART = 2.0, 0.25, 0.05


def _warmth(ctx: Context, run: TripRun, add: Add) -> None:
    """Frost, fuel, heat and damp of the run."""
    w = run.warm
    frozen = [f for f in run.frost if f.nights]
    says = [f"“{f.name}” in {len(f.nights)} of {run.day_count} nights, first on {f.nights[0]}" for f in frozen[:3]]
    if ctx.design.warmth.bays and w.bay_frac > FREEZE_PART:
        says.insert(0, f"a bay with water in {w.bay_frac:.0%} of the simulated trips, for {w.bay_h:.0f} h on average")
    if says:
        add("sim-freeze", f"These fall below 0 °C: {'; '.join(says)}.")
    if w.fuel_first_d is not None and run.gas is None:
        heater = ctx.design.warmth.heaters[0] if ctx.design.warmth.heaters else None
        gas = heater is not None and heater.fuel in ("propane", "butane")
        used = f"{w.gas_kg / run.day_count:.2f} kg" if gas else f"{w.diesel_l / run.day_count:.1f} L"
        add(
            "sim-gas-empty" if gas else "sim-fuel-empty",
            f"In half of the simulated trips the heater’s fuel runs out by day {w.fuel_first_d + 1:.0f}; the heater burns {used} a day.",
        )
    if w.hot_h > HOT_HOURS_DAY * run.day_count:
        add(
            "sim-too-hot",
            f"The inside is over 30 °C for {w.hot_h / run.day_count:.1f} h a day; in 1 of 10 simulated trips it gets to {w.hottest_p90_c:.0f} °C.",
        )
    if max(w.damp_h, w.wet_h) > DAMP_PART * 24 * run.day_count:
        add(
            "sim-damp",
            f"The humidity is over 80 % for {w.damp_h / run.day_count:.0f} h a day, and the coldest surface is wet for {w.wet_h / run.day_count:.0f} h: "
            f"{w.condensed_kg:.1f} kg of water condense over the trip.",
        )


def _gas(ctx: Context, run: TripRun, add: Add) -> None:
    """Vessels that are empty before they are changed."""
    g = run.gas
    if g is not None and g.short_frac > 0:
        day = f"on {when(run, g.first_d)} in half of the simulated trips" if g.first_d is not None else f"in {g.short_frac:.0%} of the simulated trips"
        add(
            "sim-gas-empty",
            f"The cylinders or tanks ({g.capacity_kg:.1f} kg that come out in the cold) are empty {day}; {g.used_kg:.1f} kg are burnt over the trip.",
        )
    w = run.warm
    heater = ctx.design.warmth.heaters[0] if ctx.design.warmth.heaters else None
    if g is not None and w.fuel_first_d is not None and heater is not None and heater.fuel not in ("propane", "butane"):
        add(
            "sim-fuel-empty",
            f"In half of the simulated trips the heater’s fuel runs out by day {w.fuel_first_d + 1:.0f}; the heater burns "
            f"{w.diesel_l / run.day_count:.1f} L a day.",
        )


def _water(ctx: Context, run: TripRun, add: Add) -> None:
    """Stores that are empty or full before they are filled or emptied."""
    w = run.water
    if w is None:
        return
    rules = {"fresh": ("sim-water-short", "empty"), "grey": ("sim-grey-full", "full"), "toilet": ("sim-toilet-full", "full")}
    for name, s in w.stores.items():
        if s.first_d is not None:
            rule, state = rules[name]
            what = f"{w.toilet} container" if name == "toilet" else f"{name} tank"
            more = f"; {w.missing_l:.0f} L are missing over the trip" if name == "fresh" else ""
            add(rule, f"The {what} ({s.capacity_l:.0f} L) is {state} on {when(run, s.first_d)}{more}.")


def _bent_and_shaded(ctx: Context, add: Add) -> None:
    """Arrays on a curved roof, and shade on strings."""
    for a in ctx.design.power.arrays:
        if a.roof_radius_m is not None and a.deploy == "fixed" and a.tilt_deg == 0:
            lost = _bent(a)
            if lost.mismatch_loss_frac > BENT_LOSS:
                add(
                    "sim-curve-mismatch",
                    f"With the sun 20° high at the side, the bent panel loses {lost.mismatch_loss_frac:.0%} in series; its edge leans "
                    f"{lost.edge_tilt_deg:.0f}°. On average over sun and headings the run takes off {1 - curve_factor(a):.0%}.",
                    "fault" if lost.mismatch_loss_frac > MUCH_BENT else None,
                    (f"array:{a.id}", a.name),
                )
        hours = [h for h, v in enumerate(a.shade_frac) if v > 0 and 9 <= h < 15]
        if hours and a.series_count > 1:
            add(
                "sim-shade-string",
                f"The string has {a.series_count} panels in series and is shaded in {len(hours)} hour{'s' if len(hours) > 1 else ''} between 9 and 15. "
                "The darkest panel governs the string, which the run does not take off.",
                subject=(f"array:{a.id}", a.name),
            )


def _wear_and_habit(ctx: Context, run: TripRun, add: Add) -> None:
    """Wear of the bank, idling, clipping, and how much is only assumed."""
    life = ctx.chem.cycles[1]
    if run.cycles_year * PLANNED_YEARS > life:
        add(
            "sim-bank-cycles",
            f"Used like this the bank makes {run.cycles_year:.0f} full cycles a year. It lasts about {life} cycles of 80 %, so {life / run.cycles_year:.0f} "
            f"years instead of {PLANNED_YEARS}.",
        )
    if run.load_wh_day > 0 and run.inverter_idle_wh_day > IDLE_PART * run.load_wh_day:
        add("sim-inverter-idle", f"The inverter alone uses {run.inverter_idle_wh_day:.0f} of the {run.load_wh_day:.0f} Wh a day.")
    if run.clipped_frac > CLIPPED:
        add(
            "sim-controller-clip",
            f"On this trip the controller leaves {run.clipped_frac:.0%} of what the panels could give unused.",
            "advice" if run.clipped_frac > MUCH_CLIPPED else None,
        )
    assumed = assumed_part(ctx)
    if assumed > MUCH_ASSUMED:
        add("sim-load-assumed", f"For {assumed:.0%} of the energy the figures are typical ones of the catalogue.")


def _health_and_habit(ctx: Context, run: TripRun, add: Add) -> None:
    """Findings of devices, sources and habits."""
    p, target = ctx.design.power, ctx.design.trips.short_days_frac
    legs, days = legs_of(ctx.design), max(1, run.day_count)
    if run.medical_first_d is not None:
        who = ", ".join(a.name for a in ctx.design.life.appliances if a.kind == "medical" and a.count > 0)
        add("sim-medical-load", f"In {run.medical_draws_frac:.0%} of the simulated trips power fails for {who}, first on {when(run, run.medical_first_d)}.")
    if run.short_in_normals_d is not None and run.short_days_frac > target + EPS:
        add(
            "sim-empty-normals",
            f"Even in average weather, power runs out on {when(run, run.short_in_normals_d)}; you are {run.missing_wh_day:.0f} Wh a day short.",
        )
    hooked = sum(x.days_count for x in legs if x.shore) / days
    need = run.load_wh_day + run.missing_wh_day
    if p.bank is not None and need > 0 and hooked < HOOKED_FRAC:
        usable = p.bank.unit_charge_ah * p.bank.parallel_count * ctx.bank_v * ctx.usable_frac
        if usable / need < STANDS_WITHOUT_SUN_D - EPS:
            add("sim-autonomy-short", f"The bank gives {usable:.0f} Wh, and a day uses {need:.0f} Wh: it lasts {usable / need:.1f} days without sun.")
    sources = run.sun_wh_day + run.driving_wh_day + run.shore_wh_day
    fed = sum(leg.shore or leg.drives_on(n) for leg in legs for n in range(leg.days_count)) / days
    if sources > 0 and run.sun_wh_day / sources < SMALL_SUN and fed <= FED_FRAC:
        add(
            "sim-solar-small",
            f"The sun brings {run.sun_wh_day / sources:.0%} of what comes in; on {1 - fed:.0%} of the days there is neither a drive nor a hook-up.",
        )
    tilted = next((b for b in run.buys if "on the ground" in b.what), None)
    if tilted is not None and run.short_days_frac > target + EPS and tilted.change_frac <= -2 * tilted.error_frac and tilted.change_frac < 0:
        add(
            "sim-tilt-winter",
            f"With {tilted.what} power is short on {tilted.short_days_frac:.1%} instead of {run.short_days_frac:.1%} of the days, "
            f"{-tilted.change_wh_day:.0f} Wh a day more.",
        )
    _bent_and_shaded(ctx, add)
    if p.bank is not None and not ctx.chem.lithium:
        longest = _days_below(run.soc.p50, run.per_day, FULL_LEAD)
        if longest >= LEAD_DAYS:
            add(
                "sim-lead-partial",
                f"In half of the simulated trips the lead-acid bank stays below {FULL_LEAD:.0%} for {longest} days in a row: its plates sulphate.",
            )
    missing, cold_h = run.heat_missing_frac or 0.0, run.warm.cold_run_h
    if missing > HEAT_MISSING or cold_h > COLD_RUN_H + EPS:
        dark = "its electricity is switched off or has run out" if missing > HEAT_MISSING else "the heater is too small for that cold"
        why = "the heater’s fuel runs out" if run.warm.fuel_first_d is not None else dark
        cold = f"For {cold_h:.1f} h in a row the inside stays more than 3 °C below its setting; " if cold_h > COLD_RUN_H else ""
        add(
            "sim-heater-short",
            f"{cold}{'of' if cold else 'Of'} the heat that is needed {missing:.0%} is missing. In 1 of 10 simulated trips the inside falls to "
            f"{run.warm.coldest_p10_c:.0f} °C: {why}.",
        )
    if run.limited_h > 0.01:
        most = p.bank.unit_max_discharge_a * p.bank.parallel_count if p.bank and p.bank.unit_max_discharge_a else None
        add(
            "sim-discharge-limit",
            f"For {run.limited_h:.1f} h of an average trip the loads need more than the bank gives, although it holds charge"
            + (f"; its limit is {most:.0f} A." if most else "."),
        )
    _warmth(ctx, run, add)
    _water(ctx, run, add)
    _gas(ctx, run, add)
    _hot_cells(ctx, add)
    _wear_and_habit(ctx, run, add)


HOT_CELL_C = 65.0


def _hot_cells(ctx: Context, add: Add) -> None:
    """Panels whose cells are hot in the mean of the light of the trip's brightest month."""
    p = ctx.design.power
    days = days_of(ctx)
    if not p.arrays or not days:
        return
    best = max(days, key=lambda d: d.place.ghi_kwh_m2_day[d.date.month - 1])
    c, m = best.place, best.date.month
    said = []
    for mounting in dict.fromkeys(a.mounting for a in p.arrays):
        a = next(x for x in p.arrays if x.mounting == mounting)
        t = month_yield(ctx, a, None, c, m).mean_cell_temp_c
        if t is not None and t > HOT_CELL_C:
            said.append(
                f"“{a.name}” runs at {t:.0f} °C on average in {MONTHS[m - 1]} at {c.name} and loses {-a.power_coeff_per_k * (t - 25):.0%} of its rating"
            )
    if said:
        add("sim-cell-hot", f"{'; '.join(said)}.")


def _bent(a: SolarArray) -> CurvedPanelFactorOut:
    """A low clear sun from the side on a bent array in series (600 W/m² of beam, 80 W/m² of sky; typical)."""
    radius = a.roof_radius_m or 1.0
    across = min(a.across_m or ACROSS_M, 1.9 * radius)
    return curved_panel_factor(
        CurvedPanelFactorIn(
            panel_width_m=across,
            roof_radius_m=radius,
            bypass_group_count=a.bypass_groups,
            sun_elevation_deg=20,
            sun_azimuth_deg=90,
            heading_deg=0,
            dni_w_m2=600,
            dhi_w_m2=80,
        )
    )


def _days_below(lane: list[float], per_day: int, level: float) -> int:
    """Most days in a row whose highest point stays under a level."""
    most = run = 0
    for at in range(0, len(lane), per_day):
        run = run + 1 if max(lane[at : at + per_day]) < level else 0
        most = max(most, run)
    return most


def assumed_part(ctx: Context) -> float:
    """Part of a design day's energy that comes from catalogue values."""
    whole = assumed = 0.0
    for a in ctx.design.life.appliances:
        if a.count <= 0:
            continue
        hours = (
            a.hours_per_day
            if a.hours_per_day is not None
            else 24 * a.duty_frac
            if a.duty_frac is not None
            else (a.uses_per_day or 0) * (a.minutes_per_use or 0) / 60
        )
        energy = a.count * (a.energy_24h_wh or (a.charge_energy_wh or 0) * a.charges_per_day or a.running_w * hours)
        whole += energy
        assumed += energy if a.trust == "catalogue" else 0.0
    return assumed / whole if whole > 0 else 0.0


def _next_in_line(run: TripRun) -> str:
    """What runs short after the power, in half of the weathers."""
    firsts: dict[str, float | None] = {"the heater’s fuel": run.warm.fuel_first_d, "the gas": run.gas.first_d if run.gas else None}
    if run.water:
        words = {"fresh": "fresh water", "grey": "room for grey water", "toilet": "room in the toilet"}
        firsts |= {words.get(name, name): s.first_d for name, s in run.water.stores.items()}
    known = {what: d for what, d in firsts.items() if d is not None}
    if not known:
        return " Nothing else runs out."
    first = min(known, key=lambda x: known[x])
    return f" Next in line: {first}, {when(run, known[first])}."


def cold_words(bank: Bank | None) -> str:
    """What a bank does when charge comes to cold cells: refuse it, warm them first, or nothing that would stop it."""
    if bank is None:
        return ""
    if bank.cold_charge_cutoff:
        return " The bank’s own heater has to warm them first." if bank.heater_power_w > 0 else " The bank’s cut-off refuses it."
    return " The bank’s heater does not warm them in time, and nothing stops the charge." if bank.heater_power_w > 0 else " Nothing stops the charge."


def _refused(ctx: Context, run: TripRun, add: Add) -> None:
    """What snow, cold and heat keep from the bank."""
    if run.snow_days > SNOW_DAYS:
        add(
            "sim-snow",
            (
                f"Snow lies on the panels on {run.snow_days:.0f} of {run.day_count} days of an average trip and keeps "
                f"{run.snow_wh_day * run.day_count:.0f} Wh of sun off."
            ),
        )
    if run.refused_cold_h > 0.01 and ctx.chem.lithium:
        bank = ctx.design.power.bank
        cut_off = bank is not None and bank.cold_charge_cutoff
        add(
            "sim-charge-refused-cold",
            f"For {run.refused_cold_h:.1f} h of an average trip {run.refused_cold_wh:.0f} Wh could be charged while the cells are below 0 °C, "
            f"{run.coldest_cell_c:.0f} °C at the coldest.{cold_words(bank)}",
            "advice" if cut_off else None,
        )
    if run.refused_hot_h > 0.01:
        add(
            "sim-charge-refused-hot",
            f"For {run.refused_hot_h:.1f} h of an average trip there is sun or driving, but the cells are hotter than they may be charged.",
        )


def _short(ctx: Context, run: TripRun, add: Add, target: float) -> None:
    """When power is short, how often, and how near it comes."""
    if run.first_short_p50_d is not None and run.first_short_d is not None:
        add(
            "sim-first-shortage",
            f"Essential loads lose power in half of the simulated trips by {when(run, run.first_short_p50_d)} (day "
            f"{run.first_short_p50_d + 1:.0f}), in the worst on "
            f"{when(run, run.first_short_d)}"
            + (f", in 9 of 10 by {when(run, run.first_short_p90_d)}" if run.first_short_p90_d is not None else "")
            + f".{_next_in_line(run)}",
        )
    if run.short_days_frac > target + EPS:
        error = f" ± {run.error_frac:.1%}" if run.error_frac is not None else ""
        help_ = "; ".join(f"{b.what}: {b.short_days_frac:.1%}" for b in run.buys)
        worst = max(run.months, key=lambda m: m.short_frac)
        bad = run.missing_wh_day / run.short_days_frac
        where = f" {MONTHS[int(worst.month[5:]) - 1]} is the worst month, with {worst.short_frac:.0%}." if len(run.months) > 1 else ""
        add(
            "sim-lolp-high",
            f"Power is short on {run.short_days_frac:.1%}{error} of the days; your limit is {target:.0%}: "
            f"{in_words(run.short_days_frac, run.draw_count, run.day_count)}. On average {run.missing_wh_day:.0f} Wh a day are missing, on a bad day {bad:.0f} "
            f"Wh.{where}{help_ and f' What would help: {help_}.'}",
        )
    elif run.least_soc_p10 < run.floor_frac + LOW_RESERVE - EPS:
        add("sim-low-reserve", f"In 1 of 10 trips the bank falls to {run.least_soc_p10:.0%}; {run.floor_frac:.0%} is its floor.")


def _sources(ctx: Context, run: TripRun, add: Add, target: float) -> None:
    """Sun that isn't used, driving that gives most of it, and limits of inverter, hook-up and generator."""
    made = run.sun_wh_day + run.curtailed_wh_day
    if made > 0 and run.curtailed_wh_day > MUCH_UNUSED * made and run.short_days_frac <= target + EPS:
        add("sim-curtailed", f"Of the {made:.0f} Wh a day that the panels could give, {run.curtailed_wh_day:.0f} Wh are lost because the bank is already full.")
    charged = run.sun_wh_day + run.driving_wh_day + run.shore_wh_day
    if charged > 0 and run.driving_wh_day > MOSTLY_DRIVING * charged and _standing(ctx) >= STANDS_DAYS:
        add("sim-alternator-only", f"Driving gives {run.driving_wh_day / charged:.0%} of the charge, and the vehicle stands {_standing(ctx)} days in a row.")
    inverter = ctx.design.power.inverter
    most = run.most_ac_w
    if inverter is not None and most > inverter.rating_w + EPS:
        largest = sorted((a for a in ctx.design.life.appliances if a.supply == "ac" and a.count > 0), key=lambda a: -a.running_w * a.count)
        add(
            "sim-inverter-overload",
            f"The load reaches {most:.0f} W in one quarter of an hour; {inverter.name} gives {inverter.rating_w:g} W. The largest are "
            f"{', '.join(a.name for a in largest[:3])}.",
        )
    if run.mains_short_w > EPS:
        add(
            "sim-shore-limit",
            (
                f"In one quarter of an hour the load is {run.mains_short_w:.0f} W too much; for {run.mains_short_h:.1f} h of the trip it is more than "
                "the hook-up gives."
            ),
        )
    if run.generator is not None:
        g = run.generator
        add(
            "sim-generator",
            f"The generator runs {g.run_h:.0f} h in {run.day_count} day{'s' if run.day_count > 1 else ''} and makes {g.made_kwh:.1f} kWh from about "
            f"{g.burnt:.1f} {g.unit} of {g.fuel}.",
        )
        if g.short_frac > 0:
            name = ctx.design.power.generator.name if ctx.design.power.generator else "Generator"
            add("sim-fuel-empty", runs_dry(g, partial(when, run)), subject=("generator", name))
    if ctx.design.power.generator is None and any(leg.generator_h > 0 for leg in legs_of(ctx.design)):
        add("sim-generator-missing", "The trip plans hours with a generator, and the design has none: none of those hours counts.")


def _weather(ctx: Context, add: Add) -> None:
    """How near the climates are to the places."""
    used = {leg.place for leg in legs_of(ctx.design)}
    far = []
    for p in ctx.design.trips.places:
        if p.id in used and p.weather is None:
            near, km = nearest(p.lat_deg, p.lon_deg)
            higher = 0.0 if p.elevation_m is None else p.elevation_m - near.elevation_m
            if km > FAR_KM or abs(higher) > FAR_M:
                far.append(
                    f"{p.name}: {near.name} is {km:.0f} km away" + (f" and {abs(higher):.0f} m {'lower' if higher > 0 else 'higher'}." if higher else ".")
                )
    if far:
        add("sim-climate-far", " ".join(far))
    if used - {p.id for p in ctx.design.trips.places if p.weather is not None}:
        add("sim-weather-approx", "The weather is made from monthly averages: sunlight is right within 10 to 15 %, temperatures within 1.5 °C.")


def trip_findings(ctx: Context, run: TripRun) -> list[Finding]:
    """All findings of a run."""
    out: list[Finding] = []

    def add(rule: str, message: str, severity: str | None = None, subject: tuple[str, str] = ("trips", "Trip")) -> None:
        out.append(finding(rule, *subject, message, severity=severity))  # type: ignore[arg-type]

    target = ctx.design.trips.short_days_frac
    _health_and_habit(ctx, run, add)
    demand = max(1.0, (run.load_wh_day + run.missing_wh_day) * run.day_count)
    if run.balance_error_wh > 1e-6 * demand:
        add("sim-balance", f"The run leaves {run.balance_error_wh:.3g} Wh unaccounted for.")
    _refused(ctx, run, add)
    _short(ctx, run, add, target)
    _sources(ctx, run, add, target)
    if not run.years and run.error_frac is not None and run.error_frac > max(0.005, 0.2 * run.short_days_frac):
        aim = max(0.005, 0.2 * run.short_days_frac)
        add(
            "sim-draws-few",
            f"With {run.draw_count} simulated trips the share of short days is good to ± {run.error_frac:.1%}; about "
            f"{math.ceil(run.draw_count * (run.error_frac / aim) ** 2)} would bring it to ± {aim:.1%}.",
        )
    _weather(ctx, add)
    answers = {a.finding: a.reason for a in ctx.design.accepted}
    return in_order([f.model_copy(update={"accepted": answers.get(f.id)}) for f in out])
