"""Asks a forecast service on this machine, when one is there; a run goes on without it when it is not."""

from __future__ import annotations

import datetime as dt
import http.client
import logging
import time
import urllib.error
import urllib.parse
import urllib.request
from collections.abc import Callable

from bothy.core.context import Context
from bothy.core.trips.engine import DayForecast
from bothy.core.trips.itinerary import Forecasts, days_of
from bothy.forecast.standin import Forecast

AHEAD_DAYS = 7
WAIT_S, WHOLE_S, MOST_BYTES = 1.0, 3.0, 200_000


class _Stays(urllib.request.HTTPRedirectHandler):
    """Follows no redirect: a service on this machine has no reason to send us elsewhere."""

    def redirect_request(self, *_: object) -> None:
        return None


_OPENER = urllib.request.build_opener(_Stays, urllib.request.ProxyHandler({}))


def _all_of(answer: http.client.HTTPResponse) -> bytes:
    """The body of an answer. Raises ValueError when it is larger, or takes longer, than a forecast may."""
    until = time.monotonic() + WHOLE_S
    out = bytearray()
    while piece := answer.read1(65_536):
        out += piece
        if len(out) > MOST_BYTES or time.monotonic() > until:
            raise ValueError(f"its answer is larger than {MOST_BYTES:,} bytes or takes longer than {WHOLE_S:g} s")
    return bytes(out)


def ask(url: str, lat_deg: float, lon_deg: float, first: dt.date, days: int) -> Forecast | None:
    """The forecast of one place; None when nobody answers or the answer can't be one."""
    query = urllib.parse.urlencode({"lat_deg": lat_deg, "lon_deg": lon_deg, "first": first.isoformat(), "days": days})
    try:
        with _OPENER.open(f"{url}/forecast?{query}", timeout=WAIT_S) as answer:
            return Forecast.model_validate_json(_all_of(answer))
    except (urllib.error.URLError, http.client.HTTPException, TimeoutError, OSError, ValueError) as exc:
        logging.getLogger("bothy").info("no forecast from %s: %s", url, exc)
        return None


def forecasts_for(ctx: Context, today: dt.date, asked: Callable[[float, float, dt.date, int], Forecast | None]) -> Forecasts | None:
    """Forecasts for those days of the trip that are near; None when none is near, or nobody answers."""
    days: dict[tuple[str, dt.date], DayForecast] = {}
    source = ""
    plan = [d for d in days_of(ctx) if today <= d.date < today + dt.timedelta(days=AHEAD_DAYS)]
    for c in dict.fromkeys(d.place for d in plan):
        here = [d.date for d in plan if d.place == c]
        found = asked(c.lat_deg, c.lon_deg, min(here), (max(here) - min(here)).days + 1)
        if found is None:
            continue
        source = found.source
        days |= {(c.place, f.date): DayForecast(f.clearness, f.tmin_c, f.tmax_c) for f in found.days if f.date in here}
    return Forecasts(source, days) if days else None
