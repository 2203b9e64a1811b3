"""Weather files as hourly weather: EPW, TMY3 CSV, and any CSV whose columns are told (method trips.weather-files)."""

from __future__ import annotations

import datetime as dt
import io
import math
from typing import Any, Literal

import numpy as np
from pydantic import BaseModel, Field

from bothy.core.contract import BadInput
from bothy.core.design.trips import FileWeather, FileYear, OwnPlace
from bothy.core.finding import Finding
from bothy.core.sun.weather_fit import Hourly, fit
from bothy.core.words.says import formats_says as says
from bothy.formats.tables import cells_of, in_years, number_of

MOST_CHARS = 12_000_000
TYPICAL_YEAR = 2001
"""The year that the months of a typical year are put into: one without a leap day."""
WORDS = {
    "time": ("time", "timestamp", "datetime", "date", "date time", "time(utc)", "utc", "local time"),
    "ghi": ("ghi", "g(h)", "global", "global horizontal", "global horizontal irradiance", "irradiance", "shortwave_radiation", "ghi_w_m2"),
    "air": ("temp_air", "t2m", "temperature", "air temperature", "temp", "t", "temp_c", "dry bulb"),
    "rh": ("rh", "relative_humidity", "relative humidity", "humidity"),
}


class WeatherText(BaseModel):
    """The text of a weather file; for a plain CSV where it was measured, which columns are which, and what its times mean."""

    text: str = Field(max_length=MOST_CHARS)
    name: str = Field("", max_length=120)
    lat_deg: float | None = Field(None, ge=-72, le=72)
    lon_deg: float | None = Field(None, ge=-180, le=180)
    elevation_m: float | None = Field(None, ge=-450, le=5500)
    utc_offset_h: float | None = Field(None, ge=-12, le=14)
    columns: dict[str, str] = {}
    marks: Literal["start", "end"] | None = None
    """Whether a time stands at the start or the end of its hour."""


class WeatherRead(BaseModel):
    """What a file says: the place to take over, or what still has to be told (``asks``) of its ``headings``."""

    kind: Literal["epw", "tmy3", "csv"]
    headings: list[str]
    columns: dict[str, str]
    asks: list[str]
    place: OwnPlace | None
    day_count: int
    findings: list[Finding]
    summary: str


def read(given: WeatherText) -> WeatherRead:
    """Read a weather file. Raises :class:`BadInput` where it can't be one."""
    text = given.text.removeprefix("\ufeff")
    if not text.strip():
        raise BadInput("file", says("empty"))
    first = text.lstrip().split("\n", 1)[0]
    if first.upper().startswith("LOCATION,"):
        return _made("epw", *_epw(text), given)
    second = text.lstrip().split("\n", 2)[1] if text.count("\n") > 1 else ""
    if "Date (MM/DD/YYYY)" in second:
        return _made("tmy3", *_tmy3(text), given)
    return _csv(text, given)


def _hours(frame: Any, columns: dict[str, str], shift_h: int = 0) -> tuple[dt.datetime, dict[str, Any]]:
    """Columns of a table by hour without holes; hours that are not there are nan. Refuses times that stand twice."""
    at: dict[dt.datetime, int] = {}
    for i, t in enumerate(frame.index):
        when = (t.to_pydatetime().replace(tzinfo=None) - dt.timedelta(hours=shift_h)).replace(minute=0, second=0, microsecond=0)
        if when in at:
            raise BadInput("file", says("has-hour-twice-keep", when=f"{when:%Y-%m-%d %H}"))
        at[when] = i
    first = min(at).replace(hour=0)
    count = int((max(at) - first).total_seconds() // 3600) + 1
    whole = -(-count // 24) * 24
    out = {key: np.full(whole, np.nan) for key in columns}
    for key, column in columns.items():
        values = frame[column].to_numpy(dtype=float)
        for when, i in at.items():
            out[key][int((when - first).total_seconds() // 3600)] = values[i]
    return first, out


def _epw(text: str) -> tuple[Hourly, str]:
    from pvlib.iotools import read_epw

    try:
        frame, meta = read_epw(io.StringIO(text), coerce_year=TYPICAL_YEAR)
        first, x = _hours(frame, {"ghi": "ghi", "air": "temp_air", "rh": "relative_humidity"})
    except (KeyError, ValueError, IndexError, TypeError, AttributeError, OverflowError) as exc:
        raise BadInput("file", says("begins-like-epw-file", exc=exc)) from None
    for key, most in (("ghi", 9999), ("air", 99.9), ("rh", 999)):
        x[key][x[key] >= most] = np.nan
    return Hourly(first, x["ghi"], x["air"], x["rh"] / 100, meta["latitude"], meta["longitude"], meta["altitude"], meta["TZ"]), str(meta["city"]).title()


def _tmy3(text: str) -> tuple[Hourly, str]:
    from pvlib.iotools import read_tmy3

    try:
        frame, meta = read_tmy3(io.StringIO(text), coerce_year=TYPICAL_YEAR)
        first, x = _hours(frame, {"ghi": "ghi", "air": "temp_air", "rh": "relative_humidity"}, shift_h=1)
    except (KeyError, ValueError, IndexError, TypeError, AttributeError, OverflowError) as exc:
        raise BadInput("file", says("looks-like-tmy-but", exc=exc)) from None
    return Hourly(first, x["ghi"], x["air"], x["rh"] / 100, meta["latitude"], meta["longitude"], meta["altitude"], meta["TZ"]), str(meta["Name"]).strip(
        '"'
    ).title()


def _time(text: str) -> dt.datetime:
    t = text.strip().replace("Z", "+00:00")
    if len(t) == 13 and t[8] == ":":  # 20010101:0010
        t = f"{t[:4]}-{t[4:6]}-{t[6:8]}T{t[9:11]}:{t[11:13]}"
    when = dt.datetime.fromisoformat(t)
    in_years(when)
    return when


PHYSICS = {"ghi": (-50.0, 1700.0, "W/m²"), "air": (-90.0, 65.0, "°C"), "rh": (0.0, 1.1, "of saturation")}
"""What the sky, the air and its moisture can be; outside of it a column is another one, or its unit is."""


def _within_physics(w: Hourly) -> None:
    for key, values in (("ghi", w.ghi), ("air", w.air_c), ("rh", w.rh)):
        least, most, unit = PHYSICS[key]
        bad = np.flatnonzero((values < least) | (values > most))
        if bad.size:
            when = w.first + dt.timedelta(hours=int(bad[0]))
            raise BadInput("file", says("has-at-to-can", values=values[bad[0]], unit=unit, when=f"{when:%Y-%m-%d %H}", least=least, most=most))


def _csv(text: str, given: WeatherText) -> WeatherRead:
    rows = cells_of(text)
    head = next((i for i, r in enumerate(rows[:60]) if len(r) > 1 and all(math.isnan(number_of(c)) for c in r)), None)
    if head is None:
        raise BadInput("file", says("no-weather-file-that"))
    headings = [c.strip() for c in rows[head]]
    columns = {k: v for k, v in given.columns.items() if v in headings}
    for key, words in WORDS.items():
        if key not in columns:
            hit = next((h for h in headings if h.lower().strip() in words or h.lower().split("(")[0].strip() in words), None)
            if hit is not None:
                columns[key] = hit
    asks = [
        says("column", w=w)
        for k, w in (("time", says("time-2")), ("ghi", says("global-radiation-in")), ("air", says("air-temperature-in")))
        if k not in columns
    ]
    asks += [
        w for w, v in ((says("latitude"), given.lat_deg), (says("longitude"), given.lon_deg), (says("whether-time-marks-start"), given.marks)) if v is None
    ]
    if asks:
        return WeatherRead(kind="csv", headings=headings, columns=columns, asks=asks, place=None, day_count=0, findings=[], summary="")
    assert given.lat_deg is not None and given.lon_deg is not None
    offset = given.utc_offset_h if given.utc_offset_h is not None else float(round(given.lon_deg / 15))
    at = {k: headings.index(v) for k, v in columns.items()}
    times: list[dt.datetime] = []
    values: dict[str, list[float]] = {k: [] for k in at if k != "time"}
    for n, row in enumerate(rows[head + 1 :], head + 2):
        if len(row) <= at["time"] or not row[at["time"]].strip():
            continue
        try:
            t = _time(row[at["time"]])
        except (ValueError, OverflowError):
            if not times:
                raise BadInput("file", says("has-for-time-in", row=row[at["time"]][:30], n=n)) from None
            break  # a note under the table
        if t.tzinfo is not None:
            t = (t.astimezone(dt.UTC) + dt.timedelta(hours=offset)).replace(tzinfo=None)
        times.append(t)
        for k, out in values.items():
            out.append(number_of(row[at[k]]) if at[k] < len(row) else math.nan)
    if not times:
        raise BadInput("file", says("has-no-lines-under"))
    import pandas as pd

    frame = pd.DataFrame(values, index=pd.DatetimeIndex(times))
    if not frame.index.is_monotonic_increasing:
        back = next(i for i in range(1, len(times)) if times[i] < times[i - 1])
        raise BadInput("file", says("goes-back-in-time-at", times=times[back]))
    frame = frame if not frame.index.has_duplicates else _twice(frame)
    step = pd.Series(frame.index).diff().median()
    if step < pd.Timedelta(hours=1):
        frame = frame.resample("1h", closed="right" if given.marks == "end" else "left", label="right" if given.marks == "end" else "left").mean()
    elif step > pd.Timedelta(hours=1):
        raise BadInput("file", says("has-line-every-hourly", step=step))
    first, x = _hours(frame, {k: k for k in values}, shift_h=1 if given.marks == "end" else 0)
    rh = x.get("rh", np.full_like(x["ghi"], np.nan))
    rh = rh / 100 if np.nanmax(np.append(rh, 0)) > 1.5 else rh
    w = Hourly(first, x["ghi"], x["air"], rh, given.lat_deg, given.lon_deg, given.elevation_m or 0.0, offset)
    made = _made("csv", w, given.name or says("imported-place"), given)
    return made.model_copy(update={"headings": headings, "columns": columns})


def _twice(frame: Any) -> Any:
    twin = frame.index[frame.index.duplicated()][0]
    raise BadInput("file", says("has-time-twice-keep", twin=twin))


def _made(kind: Literal["epw", "tmy3", "csv"], w: Hourly, name: str, given: WeatherText) -> WeatherRead:
    _within_physics(w)
    if abs(w.lat_deg) > 72:
        raise BadInput("lat_deg", says("outside-range-that-bothy", lat_deg=w.lat_deg))
    f = fit(w)
    title = given.name or name or says("imported-place")
    key = "".join(c if c.isalnum() and c.isascii() else "_" for c in title.lower()).strip("_")[:30] or "place"
    weather = FileWeather(
        source=says("file-from", kind=kind.upper(), day_count=f.day_count, date=w.first.date()),
        day_count=f.day_count,
        ghi_kwh_m2_day=f.ghi_kwh_m2_day,
        tmin_c=f.tmin_c,
        tmax_c=f.tmax_c,
        rh_frac=f.rh_frac,
        kt_autocorr=f.kt_autocorr,
        temp_autocorr=f.temp_autocorr,
        spread_k=f.spread_k,
        years=[FileYear(year=y.year, clearness=y.clearness, tmin_c=y.tmin_c, tmax_c=y.tmax_c) for y in f.years],
    )
    place = OwnPlace(
        id=f"file_{key}",
        name=title[:120],
        lat_deg=float(w.lat_deg),
        lon_deg=float(w.lon_deg),
        elevation_m=float(w.elevation_m),
        utc_offset_h=float(w.utc_offset_h),
        weather=weather,
    )
    best, worst = max(f.ghi_kwh_m2_day), min(f.ghi_kwh_m2_day)
    summary = says(
        "to-by-month-nights", title=title, worst=worst, best=best, tmin_c=min(f.tmin_c), kt_autocorr=f.kt_autocorr, temp_autocorr=f.temp_autocorr
    ) + (says("holds-whole-years-which", years_count=len(f.years)) if f.years else "")
    return WeatherRead(kind=kind, headings=[], columns={}, asks=[], place=place, day_count=f.day_count, findings=f.findings, summary=summary)
