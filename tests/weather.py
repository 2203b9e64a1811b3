"""Made-up weather of a year by the hour, and files of it in the formats that people bring."""

from __future__ import annotations

import datetime as dt

import numpy as np

from bothy.core.catalogue.climates import climates
from bothy.core.sun.clearness import light_of, of_place
from bothy.core.sun.draws import chain, luck
from bothy.core.sun.geometry import season_of, sun_at
from bothy.core.sun.weather_fit import Hourly

HOURS = np.arange(24) + 0.5


def year(
    place: str = "munich", *, alike: float = 0.4, warm: float = 0.6, spread_k: float = 3.0, days: int = 365, seed: int = 5, first: dt.date = dt.date(2001, 1, 1)
) -> Hourly:
    """A year at a place of the table, as chance may send it with these habits."""
    from scipy.special import ndtr

    c = climates()[place]
    e = luck(seed, 0, days)
    u = ndtr(chain(e[:, 0], alike))
    off = spread_k * chain(e[:, 1], warm)
    ghi, air = np.empty((days, 24)), np.empty((days, 24))
    for d in range(days):
        date = first + dt.timedelta(days=d)
        n = date.timetuple().tm_yday
        s = season_of(n)
        sun = sun_at(c.lat_deg, s.dec, HOURS + c.lon_deg / 15 - c.utc_offset_h + s.eot_min / 60)
        k = of_place(c, date.month).quantile(u[d : d + 1])
        ghi[d] = light_of(k, c.lat_deg, n, sun.w, sun.cos_z).ghi[0]
        low, high = c.tmin_c[date.month - 1], c.tmax_c[date.month - 1]
        air[d] = (low + high) / 2 + off[d] + (high - low) / 2 * np.cos(2 * np.pi * (HOURS - 15) / 24)
    start = dt.datetime.combine(first, dt.time())
    return Hourly(start, ghi.ravel(), air.ravel(), np.full(days * 24, 0.7), c.lat_deg, c.lon_deg, c.elevation_m, c.utc_offset_h)


def epw(w: Hourly, city: str = "Munich") -> str:
    """The year as an EPW file: hours 1 to 24, 35 columns."""
    head = [
        f"LOCATION,{city},-,DEU,made-up,1,{w.lat_deg},{w.lon_deg},{w.utc_offset_h},{w.elevation_m}",
        "DESIGN CONDITIONS,0",
        "TYPICAL/EXTREME PERIODS,0",
        "GROUND TEMPERATURES,0",
        "HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0",
        "COMMENTS 1,made up",
        "COMMENTS 2,",
        "DATA PERIODS,1,1,Data,Sunday,1/1,12/31",
    ]
    rows = []
    for i in range(w.ghi.size):
        t = w.first + dt.timedelta(hours=i)
        ghi = "9999" if np.isnan(w.ghi[i]) else f"{w.ghi[i]:.1f}"
        cells = [t.year, t.month, t.day, t.hour + 1, 0, "?9", f"{w.air_c[i]:.2f}", 0, f"{100 * w.rh[i]:.0f}", 101325, 0, 0, 300, ghi, 0, 0, *[0] * 19]
        rows.append(",".join(map(str, cells)))
    return "\n".join([*head, *rows]) + "\n"


def tmy3(w: Hourly) -> str:
    """The year as a TMY3 CSV, whose hours are marked by their end."""
    rows = [f'724666,"MUNICH",XX,{w.utc_offset_h},{w.lat_deg},{w.lon_deg},{w.elevation_m}', "Date (MM/DD/YYYY),Time (HH:MM),GHI (W/m^2),Dry-bulb (C),RHum (%)"]
    for i in range(w.ghi.size):
        t = w.first + dt.timedelta(hours=i)
        rows.append(f"{t:%m/%d/%Y},{t.hour + 1:02d}:00,{w.ghi[i]:.1f},{w.air_c[i]:.2f},{100 * w.rh[i]:.0f}")
    return "\n".join(rows) + "\n"


def table(w: Hourly, *, zone: str = "", end: bool = False, separator: str = ";") -> str:
    """The year as a plain CSV."""
    rows = [separator.join(("time", "GHI", "temperature", "humidity"))]
    for i in range(w.ghi.size):
        t = w.first + dt.timedelta(hours=i + (1 if end else 0))
        ghi = "" if np.isnan(w.ghi[i]) else f"{w.ghi[i]:.1f}"
        rows.append(separator.join((f"{t:%Y-%m-%d %H:%M}{zone}", ghi, f"{w.air_c[i]:.2f}", f"{100 * w.rh[i]:.0f}")))
    return "\n".join(rows) + "\n"
