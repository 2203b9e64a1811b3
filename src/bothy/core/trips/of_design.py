"""The trip of a design, run: from its plan through the kernel to what is said of it."""

from __future__ import annotations

import math
from collections import defaultdict
from dataclasses import replace
from typing import Any

import numpy as np

from bothy.core.context import Context
from bothy.core.contract import EPS, quick
from bothy.core.sun.geometry import Array
from bothy.core.trips import places as k
from bothy.core.trips.buys import buys
from bothy.core.trips.cabin import thermal_of
from bothy.core.trips.engine import Plan, Result, Weather
from bothy.core.trips.frost import frost_trip
from bothy.core.trips.generator import generator_trip
from bothy.core.trips.itinerary import Forecasts, leg_days
from bothy.core.trips.plan import plan_of_design
from bothy.core.trips.replay import without_years
from bothy.core.trips.run import Lane, TripDaySum, TripEventOut, TripMonth, TripRun, WarmTrip, YearTrip
from bothy.core.trips.stores import gas_trip, half, water_trip
from bothy.core.words.says import trips_says as says

ASSUMED = (
    says("approximate-climate-place-import"),
    says("panels-with-dirt-and"),
    says("fridges-work-as-in"),
    says("windows-opened-above-inside"),
)


EVENT_WORDS = (says("all-loads-off-bank"), says("loads-back-on"), says("loads-shed"), says("shed-loads-back-on"))


def _lane(x: Array) -> Lane:
    found = np.percentile(x, (10, 50, 90), axis=0)
    return Lane(p10=found[0].round(4).tolist(), p50=found[1].round(4).tolist(), p90=found[2].round(4).tolist())


def points_a_day(days: int) -> int:
    """Points of a lane a day: every step for short trips, one a day for long ones."""
    return 96 if days <= 21 else 24 if days <= 60 else 4 if days <= 120 else 1


def idle_wh(plan: Plan, loss_wh: float) -> float:
    """What of the inverter's loss over a trip is its own idling: the rest follows the mains that it made (all of what was asked away from hook-ups)."""
    asked = 0.0
    for j, d in enumerate(plan.days):
        first, last, _ = d.mains(0.0)
        off = ~((first <= plan.hours) & (plan.hours < last))
        asked += float(plan.ac[j].sum(axis=1)[off].sum()) * plan.step_min / 60
    return max(0.0, loss_wh - asked * (1 / plan.numbers[k.ETA_INVERTER] - 1)) if plan.numbers[k.INVERTER] else 0.0


CLIP_DRAWS = 8


def clipped_part(plan: Plan, weather: Weather) -> float:
    """Part of the panels' energy that too small controllers clip, over a few of the weathers; nothing where each is large enough for its panels' label."""
    from bothy.core.trips.engine import simulate

    label: defaultdict[int, float] = defaultdict(float)
    for a in plan.arrays:
        label[a.controller] += a.module.power_stc_w
    if all(label[a.controller] <= a.most_w for a in plan.arrays):
        return 0.0
    few = Weather(*(x[:CLIP_DRAWS] for x in (weather.clear, weather.diffuse, weather.mean_c, weather.swing_c)))
    free = [replace(a, most_w=1e12) for a in plan.arrays]
    made, could = (float(simulate(replace(plan, arrays=a), weather=few).ledger[:, 0].sum()) for a in (plan.arrays, free))
    return 1 - made / could if could > 0 else 0.0


def shed_first(ctx: Context, r: Result) -> dict[str, Any]:
    """Which loads are switched off first when the bank gets low, and when that is first in half of the weathers in which it happens; nothing where
    it never does."""
    firsts = [min((t for t, kind in r.draw_events(d) if kind == int(k.E_SHED)), default=None) for d in range(r.ledger.shape[0])]
    known = sorted(t for t in firsts if t is not None)
    names = [a.name for a in ctx.design.life.appliances if a.count > 0 and a.rank == 3 and a.running_w > 0]
    return {"shed": names, "shed_first_d": known[len(known) // 2]} if known and names else {}


def medical(ctx: Context, r: Result) -> dict[str, float | None]:
    """In what share of the weathers a medical device goes dark or is shed, and when that is first; nothing without one."""
    ranks = {a.rank for a in ctx.design.life.appliances if a.kind == "medical" and a.count > 0}
    if not ranks:
        return {"medical_draws_frac": 0.0, "medical_first_d": None}
    ends = {int(k.E_DISCONNECT)} | ({int(k.E_SHED)} if ranks & {2, 3} else set())
    firsts = [min((t for t, kind in r.draw_events(d) if kind in ends), default=None) for d in range(r.ledger.shape[0])]
    known = [t for t in firsts if t is not None]
    return {"medical_draws_frac": len(known) / len(firsts), "medical_first_d": min(known) if known else None}


def mains_short(plan: Plan) -> dict[str, float]:
    """The most by which mains appliances ask for more than a hook-up or a generator gives, mean of a step, in W, and for how many hours of the trip."""
    worst, short_h, hours = 0.0, 0.0, plan.hours
    for j, d in enumerate(plan.days):
        first, last, most = d.mains(plan.numbers[k.SHORE_MOST])
        on = (first <= hours) & (hours < last) & ~d.driving(hours)
        over = plan.ac[j].sum(axis=1)[on] - most
        worst = max(worst, float(over.max(initial=0.0)))
        short_h += float((over > EPS).sum()) * plan.step_min / 60
    return {"mains_short_w": worst, "mains_short_h": short_h}


def months_of(days: list[TripDaySum]) -> list[TripMonth]:
    """Sums by calendar month; a week that crosses into the next month counts where it ends."""
    missing = np.array([d.missing_wh for d in days])
    week = np.convolve(missing, np.ones(min(7, len(days))))[: len(days)]
    out = []
    for month in dict.fromkeys(d.date[:7] for d in days):
        rows = [i for i, d in enumerate(days) if d.date[:7] == month]
        part = [days[i] for i in rows]
        n = len(part)
        out.append(
            TripMonth(
                month=month,
                days=n,
                short_frac=sum(d.short_frac for d in part) / n,
                sun_wh_day=sum(d.sun_wh for d in part) / n,
                load_wh_day=sum(d.load_wh for d in part) / n,
                missing_wh_day=sum(d.missing_wh for d in part) / n,
                worst_week_wh=float(week[rows].max()),
                least_soc_p10=min(d.least_soc_p10 for d in part),
            )
        )
    return out


class _Kept:
    """What is kept of the series: points of the lanes by draw, sums and least charge by day."""

    def __init__(self, plan: Plan, count: int) -> None:
        self.days, self.hours = len(plan.days), plan.step_min / 60
        self.per_day = points_a_day(self.days)
        points = (count, self.days * self.per_day)
        self.soc, self.sun, self.load, self.cabin, self.fed, self.rh = (np.zeros(points) for _ in range(6))
        self.levels: dict[str, list[float]] = {}
        self.gas, self.can = np.zeros(points), np.zeros(points)
        by_day = (count, self.days)
        self.day_least, self.day_sun, self.day_load, self.day_in = (np.zeros(by_day) for _ in range(4))

    def __call__(self, first: int, last: int, series: Array) -> None:
        """Take the series of a block of draws."""
        block = slice(first, last)

        def groups(i: int, count: int) -> Array:
            return series[:, :, i].astype(float).reshape(last - first, count, -1)

        points = self.days * self.per_day
        if first == 0:
            for name, i in (("fresh", k.S_FRESH), ("grey", k.S_GREY), ("toilet", k.S_TOILET)):
                self.levels[name] = groups(i, points)[0, :, -1].round(2).tolist()
        self.gas[block], self.can[block] = groups(k.S_GAS, points)[:, :, -1], groups(k.S_GEN, points)[:, :, -1]
        self.soc[block], self.cabin[block] = groups(k.S_SOC, points).min(axis=2), groups(k.S_CABIN, points).min(axis=2)
        self.sun[block], self.load[block] = groups(k.S_PV, points).mean(axis=2), groups(k.S_LOAD, points).mean(axis=2)
        self.fed[block], self.rh[block] = groups(k.S_SOURCES, points).mean(axis=2), groups(k.S_RH, points).mean(axis=2)
        self.day_least[block] = groups(k.S_SOC, self.days).min(axis=2)
        for into, i in ((self.day_sun, k.S_PV), (self.day_load, k.S_LOAD), (self.day_in, k.S_SOURCES)):
            into[block] = groups(i, self.days).sum(axis=2) * self.hours


def warm_trip(r: Result, days: int, numbers: Array) -> WarmTrip:
    """What a run says of warmth."""
    from bothy.core.trips.results import WHOLE_LEDGER

    m, s = dict(zip(WHOLE_LEDGER, r.ledger.mean(axis=0), strict=True)), r.summary
    by_gas = numbers[k.HEATER] == k.BY_GAS
    fuel = s[:, k.FIRST_GAS] if by_gas else s[:, k.FIRST_DIESEL]
    return WarmTrip(
        heat_kwh=m["heat_wh"] / 1000,
        diesel_l=m["diesel_used_l"],
        gas_kg=m["gas_used_kg"] if by_gas else 0.0,
        fuel_first_d=half(fuel),
        heater_wh_day=m["heater_el_wh"] / days,
        cooler_wh_day=m["cooler_el_wh"] / days,
        cool_missing_kwh=m["cool_unserved_wh"] / 1000,
        hot_h=float(s[:, k.HOT_H].mean()),
        damp_h=float(s[:, k.DAMP_H].mean()),
        wet_h=float(s[:, k.WET_H].mean()),
        condensed_kg=m["condensed_g"] / 1000,
        coldest_p10_c=float(np.percentile(s[:, k.LEAST_CABIN], 10)),
        hottest_p90_c=float(np.percentile(s[:, k.MOST_CABIN], 90)),
        cold_run_h=float(np.median(s[:, k.COLD_RUN_H])),
        freeze_frac=float((s[:, k.FREEZE_H] > 0).mean()),
        freeze_h=float(s[:, k.FREEZE_H].mean()),
        bay_frac=float((s[:, k.BAY_FREEZE_H] > 0).mean()),
        bay_h=float(s[:, k.BAY_FREEZE_H].mean()),
        bay_first_d=half(s[:, k.FIRST_BAY]),
    )


def _days(ctx: Context, plan: Plan, r: Result, kept: _Kept, weather: Any) -> list[TripDaySum]:
    """Each day of the trip in the middle of its weathers."""
    asked = (plan.dc.sum(axis=2) + plan.ac.sum(axis=2)).sum(axis=1) * plan.step_min / 60
    legs = leg_days(ctx.design)
    return [
        quick(
            TripDaySum,
            date=d.date.isoformat(),
            leg=legs[j][0].id,
            place=d.place.name,
            sun_wh=float(np.median(kept.day_sun[:, j])),
            sources_wh=float(np.median(kept.day_in[:, j])),
            load_wh=float(np.median(kept.day_load[:, j])),
            missing_wh=max(0.0, float(asked[j] - np.mean(kept.day_load[:, j]))) if r.short_day[:, j].any() else 0.0,
            least_soc_p10=float(np.percentile(kept.day_least[:, j], 10)),
            short_frac=float(r.short_day[:, j].mean()),
            kt_p50=float(np.median(weather.clear[:, j])),
            mean_c_p50=float(np.median(weather.mean_c[:, j])),
        )
        for j, d in enumerate(plan.days)
    ]


def run_of(ctx: Context, plan: Plan, r: Result, kept: _Kept, weather: Any) -> TripRun:
    """What a run says, from its sums and what was kept of its series."""
    from bothy.core.trips.cells import E_NOM
    from bothy.core.trips.results import WHOLE_LEDGER, balance_error, standard_error

    n, count = len(plan.days), r.ledger.shape[0]
    least = r.summary[:, k.LEAST_SOC]
    order = np.argsort(least, kind="stable")
    named = {name: int(order[min(count - 1, round(q * (count - 1)))]) for name, q in (("p10", 0.1), ("p50", 0.5), ("p90", 0.9))}
    days = _days(ctx, plan, r, kept, weather)
    firsts = r.summary[:, k.FIRST_ELECTRICITY]
    happened = np.sort(firsts[firsts >= 0])
    means = dict(zip(WHOLE_LEDGER, r.ledger.mean(axis=0), strict=True))
    error = standard_error(r.short_day)
    return TripRun(
        draw_count=count,
        seed=plan.seed,
        day_count=n,
        per_day=kept.per_day,
        floor_frac=float(1 - ctx.usable_frac),
        soc=_lane(kept.soc),
        sun_w=_lane(kept.sun),
        load_w=_lane(kept.load),
        cabin_c=_lane(kept.cabin),
        fed_w=_lane(kept.fed),
        rh=_lane(kept.rh),
        warm=warm_trip(r, n, plan.numbers),
        water=water_trip(ctx, r, plan.numbers, kept.levels),
        gas=gas_trip(ctx, r, plan.numbers, np.median(kept.gas, axis=0).round(3).tolist()),
        frost=frost_trip(ctx, plan, weather),
        months=months_of(days),
        forecast_days=sum(d.forecast is not None for d in plan.days),
        years=[YearTrip(year=y, short_days=int(r.short_day[m].sum()), least_soc=float(least[m])) for m, y in enumerate(plan.replay.years)]
        if plan.replay
        else [],
        autonomy_d=autonomy_d(plan, means, n),
        histories={name: kept.soc[d].round(4).tolist() for name, d in named.items()},
        days=days,
        events=[TripEventOut(draw=d, time_d=t, what=EVENT_WORDS[w]) for d in sorted(set(named.values())) for t, w in r.draw_events(d)][:400],
        short_days_frac=float(r.short_day.mean()),
        error_frac=None if math.isnan(error) else error,
        trips_short_frac=float((r.short_day.sum(axis=1) > 0).mean()),
        least_soc_p10=float(np.percentile(least, 10)),
        least_soc_p50=float(np.percentile(least, 50)),
        least_soc_p90=float(np.percentile(least, 90)),
        first_short_d=float(happened[0]) if happened.size else None,
        first_short_p50_d=float(happened[count // 2]) if happened.size > count // 2 else None,
        first_short_p90_d=float(happened[int(0.9 * count)]) if happened.size > int(0.9 * count) else None,
        sun_wh_day=means["pv_used_wh"] / n,
        driving_wh_day=means["dcdc_wh"] / n,
        shore_wh_day=(means["shore_dc_wh"] + means["shore_ac_wh"]) / n,
        load_wh_day=means["load_served_wh"] / n,
        generator=generator_trip(ctx, plan, r, np.median(kept.can, axis=0).round(3).tolist()),
        bank_heater_wh_day=means["bank_heat_wh"] / n,
        snow_days=float(r.summary[:, k.SNOW_DAYS].mean()),
        snow_wh_day=means["snow_lost_wh"] / n,
        **mains_short(plan),
        **medical(ctx, r),
        heat_missing_frac=means["heat_unserved_wh"] / asked_heat if (asked_heat := means["heat_wh"] + means["heat_unserved_wh"]) > 0 else None,
        short_in_normals_d=None,
        limited_h=float(r.summary[:, k.LIMITED_H].mean()),
        cycles_year=means["battery_out_wh"] / plan.bank[E_NOM] / n * 365,
        inverter_idle_wh_day=idle_wh(plan, means["inverter_loss_wh"]) / n,
        clipped_frac=clipped_part(plan, weather),
        curtailed_wh_day=means["curtailed_wh"] / n,
        missing_wh_day=(means["shed_wh"] + means["unserved_wh"]) / n,
        **shed_first(ctx, r),
        refused_cold_h=float(r.summary[:, k.REFUSED_COLD_H].mean()),
        refused_cold_wh=float(r.summary[:, k.REFUSED_COLD_WH].mean()),
        coldest_cell_c=float(r.summary[:, k.LEAST_CELL].min()),
        refused_hot_h=float(r.summary[:, k.REFUSED_HOT_H].mean()),
        most_ac_w=float(plan.ac.sum(axis=2).max()),
        balance_error_wh=balance_error(r.ledger),
        buys=[],
        findings=[],
        assumed=list(ASSUMED),
    )


def autonomy_d(plan: Plan, means: dict[str, float], days: int) -> float | None:
    """The classic figure: days that a full bank lasts without any source, at the trip's mean use; None where nothing is used."""
    from bothy.core.trips.cells import E_NOM, FLOOR

    asked = (means["load_demand_wh"] - means["shore_ac_wh"]) / days
    return (1 - plan.bank[FLOOR]) * plan.bank[E_NOM] / asked if asked > 0 else None


def run_trip(ctx: Context, *, workers: int = 1, between: Any = None, forecasts: Forecasts | None = None) -> TripRun:
    """Simulate the trip of a design. Raises :class:`NoTrip` when something is missing for it."""
    from bothy.core.trips.engine import arrays_of, simulate, weather_of
    from bothy.core.trips.figures import with_figures
    from bothy.core.trips.rules import trip_findings

    thermal = thermal_of(ctx)
    plan = plan_of_design(ctx, forecasts, thermal)
    weather = weather_of(plan)
    kept = _Kept(plan, plan.weather_count)
    ready = arrays_of(plan, weather)
    result = simulate(plan, keep=kept, ready=ready, workers=workers, between=between)
    run = run_of(ctx, plan, result, kept, weather)
    if forecasts is not None and run.forecast_days:
        run.assumed.insert(0, says("weather-that-forecast-beyond", forecast_days=run.forecast_days, source=forecasts.source))
    if plan.replay is not None:
        run.assumed.insert(0, says("weather-years-files-to", draw_count=run.draw_count, years=plan.replay.years[0], years_2=plan.replay.years[-1]))
    elif ctx.design.trips.schools.weather_source == "replay":
        run.assumed.insert(0, says("weather-drawn-for-no", without_years=", ".join(without_years(ctx, plan.days)) or "the same years everywhere"))
    run.buys = buys(ctx, plan, thermal, result, weather, ready, workers)
    if run.short_days_frac > 0:
        usual = simulate(replace(plan, draws=False, replay=None))
        first = float(usual.summary[0, k.FIRST_ELECTRICITY])
        run.short_in_normals_d = first if first >= 0 else None
    run.findings = trip_findings(ctx, run)
    with_figures(run)
    return run
