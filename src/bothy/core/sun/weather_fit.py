"""What hourly weather says of a place: monthly means, how alike neighbouring days are, and whether the file can be right (method trips.weather-files)."""

from __future__ import annotations

import datetime as dt
from dataclasses import dataclass

import numpy as np

from bothy.core.contract import BadInput
from bothy.core.finding import Finding, finding, rules
from bothy.core.method.sources import Method
from bothy.core.sun.geometry import MID_MONTH, SOLAR_CONSTANT_W_M2, Array, extraterrestrial_day, season_of, sun_at
from bothy.core.words.says import sun_says as says

rules(
    "trips",
    (
        (
            "sim-ghi-above-clear",
            "fault",
            Method("trips.weather-files"),
        ),
        (
            "sim-file-shifted",
            "fault",
            Method("trips.weather-files"),
        ),
        ("sim-file-gaps", "fault", Method("trips.weather-files")),
    ),
)

FILLED_H = 3
MOST_MISSING, SOME_MISSING = 0.05, 0.01
OVER_CLEAR, OVER_DAYS = 1.1, 0.02
LEAST_IN_MONTH = 20
LEAST_DAYS = 330
"""Nearly a year: every month must be there for twelve means."""


@dataclass(frozen=True)
class Hourly:
    """Hours of weather from ``first`` on (local standard time, start of the hour), without holes in time; a missing value is nan.

    GHI in W/m² (mean of the hour), air in °C, relative humidity 0 to 1. Degrees north and east, m above the sea, hours from UTC.
    """

    first: dt.datetime
    ghi: Array
    air_c: Array
    rh: Array
    lat_deg: float
    lon_deg: float
    elevation_m: float
    utc_offset_h: float


@dataclass(frozen=True)
class YearOf:
    """A whole year of a file by day, without a leap day: clearness, lowest and highest temperature in °C."""

    year: int
    clearness: list[float]
    tmin_c: list[float]
    tmax_c: list[float]


@dataclass(frozen=True)
class Fit:
    """Twelve monthly means each, correlations from day to day, spread of daily mean temperature in K, what was found odd, and its whole years."""

    ghi_kwh_m2_day: list[float]
    tmin_c: list[float]
    tmax_c: list[float]
    rh_frac: list[float]
    kt_autocorr: float
    temp_autocorr: float
    spread_k: float
    day_count: int
    missing_frac: float
    findings: list[Finding]
    years: list[YearOf]


def _sun(w: Hourly, days: int) -> tuple[Array, Array]:
    """Cosine of the zenith and extraterrestrial light on the flat in W/m² of the middle of each hour, by day and hour."""
    cos_z, outside = np.empty((days, 24)), np.empty((days, 24))
    hours: Array = np.arange(24, dtype=float) + 0.5
    for d in range(days):
        s = season_of((w.first + dt.timedelta(days=d)).timetuple().tm_yday)
        cos_z[d] = sun_at(w.lat_deg, s.dec, hours + w.lon_deg / 15 - w.utc_offset_h + s.eot_min / 60).cos_z
        outside[d] = SOLAR_CONSTANT_W_M2 * s.e0 * np.maximum(cos_z[d], 0.0)
    return cos_z, outside


def _filled(x: Array, outside: Array | None = None) -> Array:
    """Gaps of up to three hours filled in a straight line; light by its clearness."""
    flat = x.copy()
    scale = np.ones_like(flat) if outside is None else np.maximum(outside.ravel(), 1.0)
    ratio = flat / scale
    missing = np.isnan(flat)
    at, n = 0, flat.size
    while at < n:
        if not missing[at]:
            at += 1
            continue
        end = at
        while end < n and missing[end]:
            end += 1
        if end - at <= FILLED_H and at > 0 and end < n:
            k = np.arange(at, end)
            flat[k] = (ratio[at - 1] + (ratio[end] - ratio[at - 1]) * (k - at + 1) / (end - at + 1)) * scale[k]
        at = end
    return flat


def _lag1(x: Array) -> float:
    """Correlation of a day with the day after, within what the generator takes."""
    a, b = x[:-1], x[1:]
    both = ~(np.isnan(a) | np.isnan(b))
    if both.sum() < 20 or np.std(a[both]) == 0 or np.std(b[both]) == 0:
        return 0.0
    return float(np.clip(np.corrcoef(a[both], b[both])[0, 1], 0.0, 0.95))


def fit(w: Hourly) -> Fit:
    """The climate and the habits of a weather file. Raises :class:`BadInput` for less than nearly a year and for too many gaps."""
    from scipy.special import ndtri

    days = w.ghi.size // 24
    if days < LEAST_DAYS:
        raise BadInput("file", says("holds-at-least-nearly", days=days, least_days=LEAST_DAYS))
    n = days * 24
    cos_z, outside = _sun(w, days)
    missing = float(np.isnan(np.stack([w.ghi[:n], w.air_c[:n]])).any(axis=0).mean())
    if missing > MOST_MISSING:
        raise BadInput("file", says("lacks-hours-at-most", missing=missing, most_missing=MOST_MISSING, longest=_longest(np.isnan(w.ghi[:n]))))
    ghi, air, rh = _filled(w.ghi[:n], outside).reshape(days, 24), _filled(w.air_c[:n]).reshape(days, 24), _filled(w.rh[:n]).reshape(days, 24)
    months = np.array([(w.first + dt.timedelta(days=d)).month for d in range(days)])
    light, above = ghi.sum(axis=1) / 1000, outside.sum(axis=1) / 1000
    means: dict[str, list[float]] = {"ghi": [], "tmin": [], "tmax": [], "rh": []}
    for m in range(1, 13):
        rows = months == m
        if (~np.isnan(light[rows])).sum() < LEAST_IN_MONTH:
            raise BadInput("file", says("has-too-few-whole", m=m))
        for key, values in (("ghi", light), ("tmin", air.min(axis=1)), ("tmax", air.max(axis=1)), ("rh", rh.mean(axis=1))):
            known = values[rows][~np.isnan(values[rows])]
            means[key].append(float(known.mean()) if known.size else 0.75)
    ranks = np.full(days, np.nan)
    clear = np.where(above > 0.1, light / np.maximum(above, 0.1), np.nan)
    for m in range(1, 13):
        rows = np.flatnonzero((months == m) & ~np.isnan(clear))
        if rows.size:
            order = clear[rows].argsort().argsort()
            ranks[rows] = ndtri((order + 0.5) / rows.size)
    middle = np.array([(a + b) / 2 for a, b in zip(means["tmin"], means["tmax"], strict=True)])
    years = np.array([min(365, (w.first + dt.timedelta(days=d)).timetuple().tm_yday) for d in range(days)])
    normal = np.interp(years, [MID_MONTH[-1] - 365, *MID_MONTH, MID_MONTH[0] + 365], [middle[-1], *middle, middle[0]])
    off = (air.min(axis=1) + air.max(axis=1)) / 2 - normal
    found = _odd(w, ghi, cos_z, outside, missing)
    return Fit(
        [round(v, 4) for v in means["ghi"]],
        [round(v, 3) for v in means["tmin"]],
        [round(v, 3) for v in means["tmax"]],
        [round(min(1.0, v), 4) for v in means["rh"]],
        round(_lag1(ranks), 4),
        round(_lag1(off), 4),
        round(float(min(15.0, np.nanstd(off))), 3),
        days,
        missing,
        found,
        _years(w, clear, air, normal, means),
    )


MOST_CLEAR, KNOWN_DAYS, MOST_YEARS, LIT_KWH_M2 = 0.85, 0.95, 30, 0.1


def _years(w: Hourly, clear: Array, air: Array, normal: Array, means: dict[str, list[float]]) -> list[YearOf]:
    """The file's whole calendar years, the newest of them where there are very many; unknown days are as usual in their month. A leap day is left out."""
    dates = [w.first.date() + dt.timedelta(days=d) for d in range(clear.size)]
    half = (np.array(means["tmax"]) - np.array(means["tmin"])) / 2
    out = []
    for year in sorted({d.year for d in dates}):
        rows = np.array([i for i, d in enumerate(dates) if d.year == year and (d.month, d.day) != (2, 29)])
        lit = np.array([extraterrestrial_day(w.lat_deg, dates[i].timetuple().tm_yday) > LIT_KWH_M2 for i in rows])
        known = (~np.isnan(clear[rows]) | ~lit) & ~np.isnan(air[rows]).any(axis=1)
        if rows.size < 365 or known.mean() < KNOWN_DAYS:
            continue
        months = np.array([dates[i].month - 1 for i in rows])
        k, low, high = clear[rows], air[rows].min(axis=1), air[rows].max(axis=1)
        for m in range(12):
            here, there = months == m, ~np.isnan(k[months == m])
            k[here & np.isnan(k)] = float(k[here][there].mean()) if there.any() else 0.35
        low, high = np.where(np.isnan(low), normal[rows] - half[months], low), np.where(np.isnan(high), normal[rows] + half[months], high)
        out.append(
            YearOf(year, [round(float(v), 3) for v in np.clip(k, 0.0, MOST_CLEAR)], [round(float(v), 1) for v in low], [round(float(v), 1) for v in high])
        )
    return out[-MOST_YEARS:] if len(out) > 1 else []


def _longest(missing: Array) -> int:
    longest = run = 0
    for gone in missing:
        run = run + 1 if gone else 0
        longest = max(longest, run)
    return longest


def _odd(w: Hourly, ghi: Array, cos_z: Array, outside: Array, missing: float) -> list[Finding]:
    """What makes one doubt the file: more than a clear sky, the sun at another hour, gaps."""
    out: list[Finding] = []
    thin = np.exp(-0.059 / np.maximum(cos_z, 0.01))
    clear = np.where(cos_z > 0, 1098 * np.maximum(cos_z, 0) * thin, 0.0) * (1 + 0.03 * w.elevation_m / 1000)
    day, most = ghi.sum(axis=1), clear.sum(axis=1)
    lit = most > 200
    over = lit & (day > OVER_CLEAR * most)
    if lit.any() and over.sum() > OVER_DAYS * lit.sum():
        worst = int(np.argmax(np.where(lit, day / np.maximum(most, 1), 0)))
        out.append(
            finding(
                "sim-ghi-above-clear",
                "trips",
                says("weather-file"),
                says("on-most-on-times", sum=over.sum(), sum_2=int(lit.sum()), date=(w.first + dt.timedelta(days=worst)).date(), day=day[worst] / most[worst]),
            )
        )
    known = ~np.isnan(ghi.ravel())
    a, b = ghi.ravel(), clear.ravel()
    scores = {s: float(np.corrcoef(a[known], np.roll(b, s)[known])[0, 1]) for s in range(-6, 7)} if known.sum() > 24 and np.nanstd(a) > 0 else {0: 1.0}
    best = max(scores, key=lambda s: (scores[s], -abs(s)))
    if best != 0:
        out.append(
            finding(
                "sim-file-shifted",
                "trips",
                says("weather-file"),
                says("files-sun-fits-best", best_h=abs(best), best_over=best > 0),
            )
        )
    if missing > SOME_MISSING:
        out.append(
            finding(
                "sim-file-gaps",
                "trips",
                says("weather-file"),
                says("files-hours-missing-longest", missing=missing, longest=_longest(np.isnan(w.ghi))),
                severity="advice",
            )
        )
    return out
