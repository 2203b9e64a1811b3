"""The years of the places' weather files as the weather of a trip: each year that all of them hold is one run (method trips.weather-files)."""

from __future__ import annotations

import datetime as dt
from collections.abc import Sequence

import numpy as np

from bothy.core.context import Context
from bothy.core.design.trips import A_YEAR, FileYear
from bothy.core.trips.engine import PlanDay, Replay


def day_of(date: dt.date) -> int:
    """Place of a date in a year without a leap day, from 0; the leap day is the day before it."""
    n = date.timetuple().tm_yday - 1
    leap = dt.date(date.year, 12, 31).timetuple().tm_yday > A_YEAR
    return n - 1 if leap and n > 58 else n


def without_years(ctx: Context, days: Sequence[PlanDay]) -> list[str]:
    """Places of the trip whose weather file holds no years."""
    years = {p.id: bool(p.weather and p.weather.years) for p in ctx.design.trips.places}
    return list(dict.fromkeys(d.place.name for d in days if not years.get(d.place.place, False)))


def replay_of(ctx: Context, days: Sequence[PlanDay]) -> Replay | None:
    """The trip's days in each year that all its places' files hold, at most as many as weathers are asked for, the newest; None where one holds none.

    A trip over the turn of a year goes on in the next year of the file, or in the same one where that is its last.
    """
    by_place: dict[str, dict[int, FileYear]] = {p.id: {y.year: y for y in p.weather.years} for p in ctx.design.trips.places if p.weather}
    if any(not by_place.get(d.place.place) for d in days):
        return None
    shared = set.intersection(*(set(by_place[d.place.place]) for d in days))
    years = sorted(shared)[-ctx.design.trips.draw_count :]
    if not years:
        return None
    first = days[0].date.year
    clear, low, high = (np.empty((len(years), len(days))) for _ in range(3))
    for m, year in enumerate(years):
        for j, d in enumerate(days):
            file = by_place[d.place.place]
            then = file.get(year + d.date.year - first, file[year])
            i = day_of(d.date)
            clear[m, j], low[m, j], high[m, j] = then.clearness[i], then.tmin_c[i], then.tmax_c[i]
    return Replay(tuple(years), clear, low, high)
