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
from bothy.core.design.prove import answered
from bothy.core.finding import Finding, finding, in_order
from bothy.core.places import legs_of, nearest
from bothy.core.power.panels import ACROSS_M, curve_factor, month_yield
from bothy.core.sun.curved import CurvedPanelFactorIn, CurvedPanelFactorOut, curved_panel_factor
from bothy.core.trips.generator import runs_dry
from bothy.core.trips.itinerary import FAR_KM, FAR_M, days_of
from bothy.core.trips.rule_table import Add
from bothy.core.words.says import trips_says as says

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
    (0.005, says("or-two-year")),
    (0.02, says("handful-year")),
    (0.10, says("plan-needed-hook-up")),
    (1.01, says("undersized-for-this-use")),
)


def in_words(short_days_frac: float, draws: int, days: int) -> str:
    """How bad a share of short days is, in plain words (method trips.results)."""
    if short_days_frac <= 0:
        return says("not-seen-in-simulated", draws=draws, draws_2=3 / draws)
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
    where = [says("in-nights-first-on", f_name=f.name, nights_count=len(f.nights), day_count=run.day_count, nights=f.nights[0]) for f in frozen[:3]]
    if ctx.design.warmth.bays and w.bay_frac > FREEZE_PART:
        where.insert(0, says("bay-with-water-in", bay_frac=w.bay_frac, bay_h=w.bay_h))
    if where:
        add("sim-freeze", says("these-fall-below", where="; ".join(where)))
    if w.fuel_first_d is not None and run.gas is None:
        heater = ctx.design.warmth.heaters[0] if ctx.design.warmth.heaters else None
        gas = heater is not None and heater.burns_gas
        used = f"{w.gas_kg / run.day_count:.2f} kg" if gas else f"{w.diesel_l / run.day_count:.1f} L"
        add(
            "sim-gas-empty" if gas else "sim-fuel-empty",
            says("in-half-simulated-trips", fuel_first_d=w.fuel_first_d + 1, used=used),
        )
    if w.hot_h > HOT_HOURS_DAY * run.day_count:
        add(
            "sim-too-hot",
            says("inside-over-for-in", hot_h=w.hot_h / run.day_count, hottest_p90_c=w.hottest_p90_c),
        )
    if max(w.damp_h, w.wet_h) > DAMP_PART * 24 * run.day_count:
        add(
            "sim-damp",
            says("humidity-over-for-and", damp_h=w.damp_h / run.day_count, wet_h=w.wet_h / run.day_count, condensed_kg=w.condensed_kg),
        )


def _gas(ctx: Context, run: TripRun, add: Add) -> None:
    """Vessels that are empty before they are changed."""
    g = run.gas
    if g is not None and g.short_frac > 0:
        day = says("on-in-half-simulated", when=when(run, g.first_d)) if g.first_d is not None else says("in-simulated-trips", short_frac=g.short_frac)
        add(
            "sim-gas-empty",
            says("cylinders-or-tanks-that", capacity_kg=g.capacity_kg, day=day, used_kg=g.used_kg),
        )
    w = run.warm
    heater = ctx.design.warmth.heaters[0] if ctx.design.warmth.heaters else None
    if g is not None and w.fuel_first_d is not None and heater is not None and not heater.burns_gas:
        add(
            "sim-fuel-empty",
            says("in-half-simulated-trips-heaters", fuel_first_d=w.fuel_first_d + 1, diesel_l=w.diesel_l / run.day_count),
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
            what = says("container", toilet=w.toilet) if name == "toilet" else says("tank", name=name)
            more = says("missing-over-trip", missing_l=w.missing_l) if name == "fresh" else ""
            add(rule, says("on", what=what, capacity_l=s.capacity_l, state=state, when=when(run, s.first_d), more=more))


def _bent_and_shaded(ctx: Context, add: Add) -> None:
    """Arrays on a curved roof, and shade on strings."""
    for a in ctx.design.power.arrays:
        if a.roof_radius_m is not None and a.deploy == "fixed" and a.tilt_deg == 0:
            lost = _bent(a)
            if lost.mismatch_loss_frac > BENT_LOSS:
                add(
                    "sim-curve-mismatch",
                    says("with-sun-high-at", mismatch_loss_frac=lost.mismatch_loss_frac, edge_tilt_deg=lost.edge_tilt_deg, curve_factor=1 - curve_factor(a)),
                    "fault" if lost.mismatch_loss_frac > MUCH_BENT else None,
                    (f"array:{a.id}", a.name),
                )
        hours = [h for h, v in enumerate(a.shade_frac) if v > 0 and 9 <= h < 15]
        if hours and a.series_count > 1:
            add(
                "sim-shade-string",
                says("string-has-panels-in", series_count=a.series_count, hours_count=len(hours)),
                subject=(f"array:{a.id}", a.name),
            )


def _wear_and_habit(ctx: Context, run: TripRun, add: Add) -> None:
    """Wear of the bank, idling, clipping, and how much is only assumed."""
    life = ctx.chem.cycles[1]
    if run.cycles_year * PLANNED_YEARS > life:
        add(
            "sim-bank-cycles",
            says("used-like-this-bank", cycles_year=run.cycles_year, life=life, life_2=life / run.cycles_year, planned_years=PLANNED_YEARS),
        )
    if run.load_wh_day > 0 and run.inverter_idle_wh_day > IDLE_PART * run.load_wh_day:
        add("sim-inverter-idle", says("inverter-alone-uses", inverter_idle_wh_day=run.inverter_idle_wh_day, load_wh_day=run.load_wh_day))
    if run.clipped_frac > CLIPPED:
        add(
            "sim-controller-clip",
            says("on-this-trip-controller", clipped_frac=run.clipped_frac),
            "advice" if run.clipped_frac > MUCH_CLIPPED else None,
        )
    assumed = assumed_part(ctx)
    if assumed > MUCH_ASSUMED:
        add("sim-load-assumed", says("for-energy-figures-typical", assumed=assumed))


def _health_and_habit(ctx: Context, run: TripRun, add: Add) -> None:
    """Findings of devices, sources and habits."""
    p, target = ctx.design.power, ctx.design.trips.short_days_frac
    legs, days = legs_of(ctx.design), max(1, run.day_count)
    if run.medical_first_d is not None:
        who = ", ".join(a.name for a in ctx.design.life.appliances if a.kind == "medical" and a.count > 0)
        add("sim-medical-load", says("in-simulated-trips-power", medical_draws_frac=run.medical_draws_frac, who=who, when=when(run, run.medical_first_d)))
    if run.short_in_normals_d is not None and run.short_days_frac > target + EPS:
        add(
            "sim-empty-normals",
            says("even-in-average-weather", when=when(run, run.short_in_normals_d), missing_wh_day=run.missing_wh_day),
        )
    hooked = sum(x.days_count for x in legs if x.shore) / days
    need = run.load_wh_day + run.missing_wh_day
    if p.bank is not None and need > 0 and hooked < HOOKED_FRAC:
        usable = p.bank.unit_charge_ah * p.bank.parallel_count * ctx.bank_v * ctx.usable_frac
        if usable / need < STANDS_WITHOUT_SUN_D - EPS:
            add("sim-autonomy-short", says("bank-gives-and-uses", usable_wh=usable, need_wh=need, usable=usable / need))
    sources = run.sun_wh_day + run.driving_wh_day + run.shore_wh_day
    fed = sum(leg.shore or leg.drives_on(n) for leg in legs for n in range(leg.days_count)) / days
    if sources > 0 and run.sun_wh_day / sources < SMALL_SUN and fed <= FED_FRAC:
        add(
            "sim-solar-small",
            says("sun-brings-what-comes", sun_wh_day=run.sun_wh_day / sources, fed=1 - fed),
        )
    tilted = next((b for b in run.buys if "on the ground" in b.what), None)
    if tilted is not None and run.short_days_frac > target + EPS and tilted.change_frac <= -2 * tilted.error_frac and tilted.change_frac < 0:
        add(
            "sim-tilt-winter",
            says(
                "with-power-short-on",
                what=tilted.what,
                short_days_frac=tilted.short_days_frac,
                short_days_frac_2=run.short_days_frac,
                change_wh_day=-tilted.change_wh_day,
            ),
        )
    _bent_and_shaded(ctx, add)
    if p.bank is not None and not ctx.chem.lithium:
        longest = _days_below(run.soc.p50, run.per_day, FULL_LEAD)
        if longest >= LEAD_DAYS:
            add(
                "sim-lead-partial",
                says("in-half-simulated-trips-lead", full_lead=FULL_LEAD, longest=longest),
            )
    missing, cold_h = run.heat_missing_frac or 0.0, run.warm.cold_run_h
    if missing > HEAT_MISSING or cold_h > COLD_RUN_H + EPS:
        dark = says("electricity-switched-off-or") if missing > HEAT_MISSING else says("heater-too-small-for")
        why = says("heaters-fuel-runs-out") if run.warm.fuel_first_d is not None else dark
        cold = says("for-in-row-inside", cold_h=cold_h) if cold_h > COLD_RUN_H else ""
        add(
            "sim-heater-short",
            says("heat-that-needed-missing", cold=cold, cold_2=bool(cold), missing=missing, coldest_p10_c=run.warm.coldest_p10_c, why=why),
        )
    if run.limited_h > 0.01:
        most = p.bank.unit_max_discharge_a * p.bank.parallel_count if p.bank and p.bank.unit_max_discharge_a else None
        add(
            "sim-discharge-limit",
            says("for-average-trip-loads", limited_h=run.limited_h) + (says("limit", most_a=most) if most else "."),
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
                says("runs-at-on-average", a_name=a.name, t_c=t, months=MONTHS[m - 1], c_name=c.name, power_coeff_per_k=-a.power_coeff_per_k * (t - 25))
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
        words = {"fresh": says("fresh-water"), "grey": says("room-for-grey-water"), "toilet": says("room-in-toilet")}
        firsts |= {words.get(name, name): s.first_d for name, s in run.water.stores.items()}
    known = {what: d for what, d in firsts.items() if d is not None}
    if not known:
        return says("nothing-else-runs-out")
    first = min(known, key=lambda x: known[x])
    return says("next-in-line", first=first, when=when(run, known[first]))


def cold_words(bank: Bank | None) -> str:
    """What a bank does when charge comes to cold cells: refuse it, warm them first, or nothing that would stop it."""
    if bank is None:
        return ""
    if bank.cold_charge_cutoff:
        return says("banks-own-heater-has") if bank.heater_power_w > 0 else says("banks-cut-off-refuses")
    return says("banks-heater-does-not") if bank.heater_power_w > 0 else says("nothing-stops-charge")


def _refused(ctx: Context, run: TripRun, add: Add) -> None:
    """What snow, cold and heat keep from the bank."""
    if run.snow_days > SNOW_DAYS:
        add(
            "sim-snow",
            (says("snow-lies-on-panels", snow_days=run.snow_days, day_count=run.day_count, snow_wh_day=run.snow_wh_day * run.day_count)),
        )
    if run.refused_cold_h > 0.01 and ctx.chem.lithium:
        bank = ctx.design.power.bank
        cut_off = bank is not None and bank.cold_charge_cutoff
        add(
            "sim-charge-refused-cold",
            says(
                "for-average-trip-could",
                refused_cold_h=run.refused_cold_h,
                refused_cold_wh=run.refused_cold_wh,
                coldest_cell_c=run.coldest_cell_c,
                cold_words=cold_words(bank),
            ),
            "advice" if cut_off else None,
        )
    if run.refused_hot_h > 0.01:
        add(
            "sim-charge-refused-hot",
            says("for-average-trip-there", refused_hot_h=run.refused_hot_h),
        )


def _short(ctx: Context, run: TripRun, add: Add, target: float) -> None:
    """When power is short, how often, and how near it comes."""
    if run.first_short_p50_d is not None and run.first_short_d is not None:
        add(
            "sim-first-shortage",
            says(
                "essential-loads-lose-power",
                when=when(run, run.first_short_p50_d),
                first_short_p50_d=run.first_short_p50_d + 1,
                when_2=when(run, run.first_short_d),
            )
            + (f", in 9 of 10 by {when(run, run.first_short_p90_d)}" if run.first_short_p90_d is not None else "")
            + f".{_next_in_line(run)}",
        )
    if run.short_days_frac > target + EPS:
        error = f" ± {run.error_frac:.1%}" if run.error_frac is not None else ""
        help_ = "; ".join(f"{b.what}: {b.short_days_frac:.1%}" for b in run.buys)
        worst = max(run.months, key=lambda m: m.short_frac)
        bad = run.missing_wh_day / run.short_days_frac
        where = says("worst-month-with", months=MONTHS[int(worst.month[5:]) - 1], short_frac=worst.short_frac) if len(run.months) > 1 else ""
        add(
            "sim-lolp-high",
            says(
                "power-short-on-your",
                short_days_frac=run.short_days_frac,
                error=error,
                target=target,
                in_words=in_words(run.short_days_frac, run.draw_count, run.day_count),
                missing_wh_day=run.missing_wh_day,
                bad_wh=bad,
                where=where,
                help=help_ and f" What would help: {help_}.",
            ),
        )
    elif run.least_soc_p10 < run.floor_frac + LOW_RESERVE - EPS:
        add("sim-low-reserve", says("in-trips-bank-falls", least_soc_p10=run.least_soc_p10, floor_frac=run.floor_frac))


def _sources(ctx: Context, run: TripRun, add: Add, target: float) -> None:
    """Sun that isn't used, driving that gives most of it, and limits of inverter, hook-up and generator."""
    made = run.sun_wh_day + run.curtailed_wh_day
    if made > 0 and run.curtailed_wh_day > MUCH_UNUSED * made and run.short_days_frac <= target + EPS:
        add("sim-curtailed", says("that-panels-could-give", made_wh=made, curtailed_wh_day=run.curtailed_wh_day))
    charged = run.sun_wh_day + run.driving_wh_day + run.shore_wh_day
    if charged > 0 and run.driving_wh_day > MOSTLY_DRIVING * charged and _standing(ctx) >= STANDS_DAYS:
        add("sim-alternator-only", says("driving-gives-charge-and", driving_wh_day=run.driving_wh_day / charged, standing=_standing(ctx)))
    inverter = ctx.design.power.inverter
    most = run.most_ac_w
    if inverter is not None and most > inverter.rating_w + EPS:
        largest = sorted((a for a in ctx.design.life.appliances if a.supply == "ac" and a.count > 0), key=lambda a: -a.running_w * a.count)
        add(
            "sim-inverter-overload",
            says("load-reaches-in-one", most_w=most, inverter_name=inverter.name, rating_w=inverter.rating_w, a_names=", ".join(a.name for a in largest[:3])),
        )
    if run.mains_short_w > EPS:
        add(
            "sim-shore-limit",
            (says("in-one-quarter-hour", mains_short_w=run.mains_short_w, mains_short_h=run.mains_short_h)),
        )
    if run.generator is not None:
        g = run.generator
        add(
            "sim-generator",
            says("generator-runs-in-and", run_h=g.run_h, day_count=run.day_count, made_kwh=g.made_kwh, burnt=g.burnt, unit=g.unit, fuel=g.fuel),
        )
        if g.short_frac > 0:
            name = ctx.design.power.generator.name if ctx.design.power.generator else says("generator")
            add("sim-fuel-empty", runs_dry(g, partial(when, run)), subject=("generator", name))
    if ctx.design.power.generator is None and any(leg.generator_h > 0 for leg in legs_of(ctx.design)):
        add("sim-generator-missing", says("trip-plans-hours-with"))


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
                    says("away", p_name=p.name, near_name=near.name, km=km)
                    + (says("and-lower", higher_m=abs(higher), higher_over=higher > 0) if higher else ".")
                )
    if far:
        add("sim-climate-far", " ".join(far))
    if used - {p.id for p in ctx.design.trips.places if p.weather is not None}:
        add("sim-weather-approx", says("weather-made-from-monthly"))


def trip_findings(ctx: Context, run: TripRun) -> list[Finding]:
    """All findings of a run."""
    out: list[Finding] = []

    def add(rule: str, message: str, severity: str | None = None, subject: tuple[str, str] = ("trips", "Trip")) -> None:
        out.append(finding(rule, *subject, message, severity=severity))  # type: ignore[arg-type]

    target = ctx.design.trips.short_days_frac
    _health_and_habit(ctx, run, add)
    demand = max(1.0, (run.load_wh_day + run.missing_wh_day) * run.day_count)
    if run.balance_error_wh > 1e-6 * demand:
        add("sim-balance", says("run-leaves-unaccounted-for", balance_error_wh=run.balance_error_wh))
    _refused(ctx, run, add)
    _short(ctx, run, add, target)
    _sources(ctx, run, add, target)
    if not run.years and run.error_frac is not None and run.error_frac > max(0.005, 0.2 * run.short_days_frac):
        aim = max(0.005, 0.2 * run.short_days_frac)
        add(
            "sim-draws-few",
            says(
                "with-simulated-trips-share",
                draw_count=run.draw_count,
                error_frac=run.error_frac,
                draw_count_2=math.ceil(run.draw_count * (run.error_frac / aim) ** 2),
                aim=aim,
            ),
        )
    _weather(ctx, add)
    return in_order([f.model_copy(update={"accepted": answered(ctx.design.accepted, f.id, f.severity)}) for f in out])
