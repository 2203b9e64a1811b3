"""The days of a design's trip: its legs, or living at one place, with the climate of each place (method trips.weather-files, 3.14 and 3.23)."""

from __future__ import annotations

import datetime as dt
from dataclasses import dataclass, replace

from bothy.core.catalogue.climates import Climate
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.design.trips import Leg
from bothy.core.places import legs_of, places_of
from bothy.core.trips.engine import DayForecast, PlanDay
from bothy.core.words.says import trips_says as says

FAR_KM, FAR_M = 150.0, 500.0
"""Beyond these the nearest place of the table says little (rule ``sim-climate-far``)."""


class NoTrip(BadInput):
    """There is nothing to simulate yet; the words say what is missing."""


def day_count(design: Design) -> int:
    """Days of the trip."""
    return sum(x.days_count for x in legs_of(design))


def trip_lat_deg(ctx: Context) -> float:
    """Mean latitude of the trip's days; that of Life's place where no leg is known."""
    known = places_of(ctx.design)
    days = [(known[leg.place].lat_deg, leg.days_count) for leg in legs_of(ctx.design) if leg.place in known]
    return sum(lat * n for lat, n in days) / sum(n for _, n in days) if days else ctx.climate.lat_deg


def leg_days(design: Design) -> list[tuple[Leg, int]]:
    """Each day's leg and which day of it."""
    return [(leg, n) for leg in legs_of(design) for n in range(leg.days_count)]


@dataclass(frozen=True)
class Forecasts:
    """Forecasts of single days by place and date, and who says so."""

    source: str
    days: dict[tuple[str, dt.date], DayForecast]

    def over(self, days: list[PlanDay]) -> list[PlanDay]:
        """The days, with a forecast where there is one."""
        return [replace(d, forecast=self.days.get((d.place.place, d.date))) for d in days]


def generator_w(ctx: Context, place: Climate) -> float:
    """What a generator gives at a place: 3.5 % less for each 300 m of height (method power.shore-charge)."""
    g = ctx.design.power.generator
    return 0.0 if g is None else g.rating_w * max(0.0, 1 - 0.035 * max(0.0, place.elevation_m) / 300)


def clock_h(design: Design) -> float:
    """By how much people's clock is ahead of standard time, in which the engine reckons."""
    return 1.0 if design.trips.schools.summer_time else 0.0


def days_of(ctx: Context) -> list[PlanDay]:
    """One entry a day of the itinerary. Raises :class:`NoTrip` without legs or a first day."""
    t = ctx.design.trips
    legs = legs_of(ctx.design)
    if not legs:
        raise NoTrip("legs", says("has-no-leg-yet"))
    if t.start_date is None:
        raise NoTrip("start_date", says("missing-say-when-trip"))
    first = dt.date.fromisoformat(t.start_date)
    people, ahead = ctx.design.life.people or 2, clock_h(ctx.design)
    known = places_of(ctx.design)
    out: list[PlanDay] = []
    for leg in legs:
        if leg.place not in known:
            raise NoTrip("place", says("not-place-in-climate", place=leg.place))
        persons = float(leg.persons if leg.persons is not None else people)
        for n in range(leg.days_count):
            drives = leg.drives_on(n)
            drive, again = (leg.drive_h, (max(0.0, leg.again_start_h - ahead), leg.again_h)) if drives else (0.0, (0.0, 0.0))
            generator = (
                (max(0.0, leg.generator_start_h - ahead), leg.generator_h, generator_w(ctx, known[leg.place]))
                if leg.generator_h > 0 and ctx.design.power.generator
                else None
            )
            out.append(
                PlanDay(
                    known[leg.place],
                    first + dt.timedelta(days=len(out)),
                    persons,
                    max(0.0, leg.drive_start_h - ahead),
                    drive,
                    leg.shore,
                    leg.heading_deg,
                    leg.clearness,
                    tuple(leg.refills) if n == 0 else (),
                    max(0.0, leg.refill_h - ahead),
                    generator=generator,
                    again=again,
                )
            )
    return out
