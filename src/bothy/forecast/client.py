"""Asks a forecast service on this machine, when one is there; a run goes on without it when it is not."""

from __future__ import annotations

import datetime as dt
import logging
import urllib.parse
from collections.abc import Callable

from bothy.core.context import Context
from bothy.core.trips.engine import DayForecast
from bothy.core.trips.itinerary import Forecasts, days_of
from bothy.forecast.standin import Forecast
from bothy.nearby import asked

AHEAD_DAYS = 7


def ask(url: str, lat_deg: float, lon_deg: float, first: dt.date, days: int) -> Forecast | None:
    """The forecast of one place; None when nobody answers or the answer can't be one."""
    query = urllib.parse.urlencode({"lat_deg": lat_deg, "lon_deg": lon_deg, "first": first.isoformat(), "days": days})
    body = asked(f"{url}/forecast?{query}")
    try:
        return None if body is None else Forecast.model_validate_json(body)
    except ValueError as exc:
        logging.getLogger("bothy").info("no forecast from %s: %s", url, exc)
        return None


def forecasts_for(ctx: Context, today: dt.date, ask_for: Callable[[float, float, dt.date, int], Forecast | None]) -> Forecasts | None:
    """Forecasts for those days of the trip that are near; None when none is near, or nobody answers."""
    days: dict[tuple[str, dt.date], DayForecast] = {}
    source = ""
    plan = [d for d in days_of(ctx) if today <= d.date < today + dt.timedelta(days=AHEAD_DAYS)]
    for c in dict.fromkeys(d.place for d in plan):
        here = [d.date for d in plan if d.place == c]
        found = ask_for(c.lat_deg, c.lon_deg, min(here), (max(here) - min(here)).days + 1)
        if found is None:
            continue
        source = found.source
        days |= {(c.place, f.date): DayForecast(f.clearness, f.tmin_c, f.tmax_c) for f in found.days if f.date in here}
    return Forecasts(source, days) if days else None
