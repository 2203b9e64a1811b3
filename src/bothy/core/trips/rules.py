"""Rules of the trip: what runs out, how likely, and what would help (handbook 03, section 5)."""

from __future__ import annotations

import datetime as dt
from typing import TYPE_CHECKING

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.finding import Finding, finding, in_order, rules
from bothy.core.trips.itinerary import FAR_KM, FAR_M, legs_of, nearest

if TYPE_CHECKING:
    from bothy.core.trips.of_design import TripRun

rules("trips", (
    ("sim-first-shortage", "fault", "It runs out on the way", "A hook-up or a drive before that day, less use, or more of what one more part buys.", "handbook 03 §3.18"),
    ("sim-lolp-high", "fault", "Too many days without power", "See what one more panel or battery would buy.", "handbook 03 §3.18"),
    ("sim-low-reserve", "advice", "Little in reserve", "One more battery or panel, or a hook-up more.", "handbook 03 §3.18"),
    ("sim-curtailed", "note", "Sun left unused", "A smaller array, or use it by day: warm water, cooking.", "handbook 03 §3.18"),
    ("sim-charge-refused-cold", "danger", "Lithium offered charge below freezing", "The battery inside, a heated one, or a cut-off.", "IEC 62619"),
    ("sim-charge-refused-hot", "advice", "The battery is too hot to charge", "A shaded place that is aired; off the roof, the engine and the sunny side.", "handbook 01 §4.3"),
    ("sim-inverter-overload", "fault", "More mains power than the inverter gives", "A larger inverter, or one after the other.", "handbook 03 §3.17"),
    ("sim-alternator-only", "advice", "Nearly all charging is by driving", "Solar or a hook-up for the days that stand still.", "handbook 03 §3.18"),
    ("sim-draws-few", "note", "Few weathers", "Run it through more.", "handbook 03 §3.18"),
    ("sim-weather-approx", "note", "Weather by the climate table", "Import a weather file for precision.", "handbook 03 §4.1"),
    ("sim-climate-far", "advice", "The nearest place of the climate table is far away", "Import a weather file of the place.", "handbook 03 §3.13"),
    ("sim-balance", "fault", "The energy does not add up", "An error of Bothy's own: report it. The result is not to be trusted.", "handbook 03 §3.17"),
))  # fmt: skip

LOW_RESERVE = 0.05
MUCH_UNUSED, MOSTLY_DRIVING, STANDS_DAYS = 0.4, 0.7, 3
WORDS = (
    (0.005, "a day or two a year"),
    (0.02, "a handful of days a year"),
    (0.10, "plan B needed: hook-up, generator or driving"),
    (1.01, "undersized for this use"),
)


def in_words(short_days_frac: float, draws: int, days: int) -> str:
    """How bad a share of short days is, in plain words (handbook 03 §4.7)."""
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
            run = 0 if leg.shore or (leg.drive_h > 0 and n == 0) else run + 1
            most = max(most, run)
    return most


def trip_findings(ctx: Context, run: TripRun) -> list[Finding]:
    """All findings of a run."""
    out: list[Finding] = []

    def add(rule: str, message: str, severity: str | None = None) -> None:
        out.append(finding(rule, "trips", "Trip", message, severity=severity))  # type: ignore[arg-type]

    target = ctx.design.trips.short_days_frac
    demand = max(1.0, (run.load_wh_day + run.missing_wh_day) * run.day_count)
    if run.balance_error_wh > 1e-6 * demand:
        add("sim-balance", f"{run.balance_error_wh:.3g} Wh are unaccounted for.")
    if run.refused_cold_h > 0.01 and ctx.chem.lithium:
        cut_off = ctx.design.power.bank is not None and ctx.design.power.bank.cold_charge_cutoff
        add("sim-charge-refused-cold", f"For {run.refused_cold_h:.1f} h of a mean trip there is charge to be had while the cells are below 0 °C." + (" Its cut-off refuses it." if cut_off else ""),
            "advice" if cut_off else None)  # fmt: skip
    if run.refused_hot_h > 0.01:
        add(
            "sim-charge-refused-hot",
            f"For {run.refused_hot_h:.1f} h of a mean trip there is charge to be had while the cells are hotter than they may be charged.",
        )
    if run.first_short_p50_d is not None and run.first_short_d is not None:
        add(
            "sim-first-shortage",
            f"In half of the trips by {when(run, run.first_short_p50_d)} (day {run.first_short_p50_d + 1:.0f}), in the earliest on {when(run, run.first_short_d)}: what should never stop is shed or dark.",
        )
    if run.short_days_frac > target + EPS:
        error = f" ± {run.error_frac:.1%}" if run.error_frac is not None else ""
        help_ = "; ".join(f"{b.what}: {b.short_days_frac:.1%}" for b in run.buys)
        add(
            "sim-lolp-high",
            f"{run.short_days_frac:.1%}{error} of the days, {target:.0%} was asked for: {in_words(run.short_days_frac, run.draw_count, run.day_count)}. {run.missing_wh_day:.0f} Wh a day are missing. With {help_}.",
        )
    elif run.least_soc_p10 < run.floor_frac + LOW_RESERVE - EPS:
        add("sim-low-reserve", f"In 1 of 10 trips the bank falls to {run.least_soc_p10:.0%}; {run.floor_frac:.0%} is its floor.")
    made = run.sun_wh_day + run.curtailed_wh_day
    if made > 0 and run.curtailed_wh_day > MUCH_UNUSED * made and run.short_days_frac <= target + EPS:
        add("sim-curtailed", f"{run.curtailed_wh_day:.0f} of {made:.0f} Wh a day find a full bank.")
    charged = run.sun_wh_day + run.driving_wh_day + run.shore_wh_day
    if charged > 0 and run.driving_wh_day > MOSTLY_DRIVING * charged and _standing(ctx) >= STANDS_DAYS:
        add("sim-alternator-only", f"{run.driving_wh_day / charged:.0%} of it; and it stands {_standing(ctx)} days in a row.")
    inverter = ctx.design.power.inverter
    most = run.most_ac_w
    if inverter is not None and most > inverter.rating_w + EPS:
        add("sim-inverter-overload", f"{most:.0f} W in one quarter of an hour; {inverter.name} gives {inverter.rating_w:g} W.")
    if run.error_frac is not None and run.error_frac > max(0.005, 0.2 * run.short_days_frac):
        add("sim-draws-few", f"{run.draw_count} weathers leave an error of ± {run.error_frac:.1%}.")
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
        add("sim-weather-approx", "Irradiation within 10 to 15 %, temperatures within 1.5 K.")
    answers = {a.finding: a.reason for a in ctx.design.accepted}
    return in_order([f.model_copy(update={"accepted": answers.get(f.id)}) for f in out])
