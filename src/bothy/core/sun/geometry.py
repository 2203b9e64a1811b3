"""Where the sun is, in closed form: the same on every machine, within half a degree of the exact algorithm near the middle of the day (method
trips.sun-geometry)."""

from __future__ import annotations

import math
from typing import Any, NamedTuple

import numpy as np

SOLAR_CONSTANT_W_M2 = 1361.0
MEAN_DAY = (17, 47, 75, 105, 135, 162, 198, 228, 258, 288, 318, 344)
"""Day of the year whose extraterrestrial irradiation is close to its month's mean, January to December."""
MID_MONTH = (15, 46, 74, 105, 135, 166, 196, 227, 258, 288, 319, 349)
"""Day of the year of the 15th of each month."""
Array = np.ndarray[Any, np.dtype[np.float64]]


class Season(NamedTuple):
    """What the day of the year fixes: declination in rad, distance factor, equation of time in min."""

    dec: float
    e0: float
    eot_min: float


def season_of(day: int) -> Season:
    """Declination, distance factor and equation of time of a day 1..366 (Fourier series, Spencer 1971)."""
    b = 2 * math.pi * (day - 1) / 365
    dec = (
        0.006918
        - 0.399912 * math.cos(b)
        + 0.070257 * math.sin(b)
        - 0.006758 * math.cos(2 * b)
        + 0.000907 * math.sin(2 * b)
        - 0.002697 * math.cos(3 * b)
        + 0.00148 * math.sin(3 * b)
    )
    e0 = 1.00011 + 0.034221 * math.cos(b) + 0.00128 * math.sin(b) + 0.000719 * math.cos(2 * b) + 0.000077 * math.sin(2 * b)
    eot = 1440 / (2 * math.pi) * (0.0000075 + 0.001868 * math.cos(b) - 0.032077 * math.sin(b) - 0.014615 * math.cos(2 * b) - 0.040849 * math.sin(2 * b))
    return Season(dec, e0, eot)


def sunset_angle(lat_deg: float, dec: float) -> float:
    """Hour angle of the sunset in rad: 0 in the polar night, π in the midnight sun."""
    return math.acos(min(1.0, max(-1.0, -math.tan(math.radians(lat_deg)) * math.tan(dec))))


def extraterrestrial_day(lat_deg: float, day: int) -> float:
    """Irradiation on a horizontal plane outside the atmosphere over a day, in kWh/m²."""
    s = season_of(day)
    ws, phi = sunset_angle(lat_deg, s.dec), math.radians(lat_deg)
    h0 = 24 / math.pi * SOLAR_CONSTANT_W_M2 / 1000 * s.e0 * (math.cos(phi) * math.cos(s.dec) * math.sin(ws) + ws * math.sin(phi) * math.sin(s.dec))
    return max(0.0, h0)


def day_length(lat_deg: float, day: int) -> float:
    """Hours from sunrise to sunset."""
    return 2 * math.degrees(sunset_angle(lat_deg, season_of(day).dec)) / 15


class Sun(NamedTuple):
    """The sun over a day: hour angle in rad, cosine of the zenith angle, azimuth in rad clockwise from north; arrays by step."""

    w: Array
    cos_z: Array
    azimuth: Array


def sun_at(lat_deg: float, dec: float, solar_h: Array) -> Sun:
    """Where the sun stands at solar times in h. Below the horizon ``cos_z`` is negative."""
    phi = math.radians(lat_deg)
    w = np.radians(15.0 * (np.asarray(solar_h, dtype=float) - 12.0))
    cos_z = math.sin(phi) * math.sin(dec) + math.cos(phi) * math.cos(dec) * np.cos(w)
    azimuth = np.mod(np.arctan2(np.sin(w), np.cos(w) * math.sin(phi) - math.tan(dec) * math.cos(phi)) + math.pi, 2 * math.pi)
    return Sun(w, cos_z, azimuth)


def midpoints(step_min: float) -> Array:
    """Hours of the middles of the steps of a day."""
    count = round(1440 / step_min)
    return (np.arange(count) + 0.5) * 24 / count
