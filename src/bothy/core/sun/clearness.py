"""How clear days are: a month's clearness, the distribution of its days, and one day's light from its clearness (method trips.climate)."""

from __future__ import annotations

import math
from functools import cache
from typing import NamedTuple

import numpy as np

from bothy.core.catalogue.climates import Climate
from bothy.core.root import reached
from bothy.core.sun.geometry import MEAN_DAY, SOLAR_CONSTANT_W_M2, Array, extraterrestrial_day, midpoints, season_of, sun_at, sunset_angle

LEAST_K, DARK_K, MOST_K = 0.05, 0.35, 0.78
DARK_KWH_M2 = 0.3
"""Below this the month is taken for polar night."""


class Clearness(NamedTuple):
    """The distribution of a month's daily clearness: its mean, its ends, and the shape of the truncated exponential between them."""

    mean: float
    least: float
    most: float
    shape: float

    def quantile(self, u: Array) -> Array:
        """Clearness that a part ``u`` of the days stays under."""
        span = self.most - self.least
        if abs(self.shape) < 1e-5:
            return self.least + span * u
        return self.least + span * np.log1p(u * np.expm1(self.shape)) / self.shape


def month_clearness(lat_deg: float, month: int, ghi_kwh_m2_day: float) -> float:
    """Mean clearness of a month from its irradiation; a usual one in the polar night."""
    h0 = extraterrestrial_day(lat_deg, MEAN_DAY[month - 1])
    return DARK_K if h0 < DARK_KWH_M2 else min(MOST_K, max(0.10, ghi_kwh_m2_day / h0))


@cache
def cloudless(lat_deg: float, month: int, elevation_m: float) -> float:
    """Clearness of a cloudless day (Haurwitz), which no day of the month passes."""
    s = season_of(MEAN_DAY[month - 1])
    cos_z = sun_at(lat_deg, s.dec, midpoints(15)).cos_z
    up = cos_z[cos_z > 0]
    if not up.size:
        return 0.75
    light = float(np.sum(1098 * up * np.exp(-0.059 / up)))
    return light / float(np.sum(SOLAR_CONSTANT_W_M2 * s.e0 * up)) * (1 + 0.03 * elevation_m / 1000)


def _rise(s: float) -> float:
    return 0.5 + s / 12 if abs(s) < 1e-5 else 1 / (1 - math.exp(-s)) - 1 / s


@cache
def distribution(lat_deg: float, month: int, elevation_m: float, mean_k: float) -> Clearness:
    """The days of a month with a mean clearness: a truncated exponential (method trips.clearness)."""
    k = min(MOST_K, max(0.10, mean_k))
    most = max(min(0.6313 + 0.267 * k - 11.9 * (k - 0.75) ** 8, cloudless(lat_deg, month, elevation_m)), k + 0.04)
    wanted = (k - LEAST_K) / (most - LEAST_K)
    return Clearness(k, LEAST_K, most, reached(_rise, wanted, -200.0, 200.0))


def of_place(c: Climate, month: int) -> Clearness:
    """The days of a month at a place of the table."""
    return distribution(c.lat_deg, month, c.elevation_m, month_clearness(c.lat_deg, month, c.ghi_kwh_m2_day[month - 1]))


def day_profile(lat_deg: float, dec: float, w: Array, cos_z: Array) -> Array:
    """Clearness of each step ÷ clearness of the day: the ratio profile of hourly to daily light, normed so that the day's sum is exact."""
    ws = sunset_angle(lat_deg, dec)
    a = 0.409 + 0.5016 * math.sin(ws - math.radians(60))
    b = 0.6609 - 0.4767 * math.sin(ws - math.radians(60))
    r = a + b * np.cos(w)
    up = np.maximum(cos_z, 0.0)
    light = float(np.sum(up))
    norm = float(np.sum(r * up)) / light if light > 0 else 1.0
    return r / norm


def diffuse_part(k: Array, ws: float) -> Array:
    """Part of a day's light that is diffuse (Erbs, daily), by its clearness and the sunset's hour angle in rad."""
    if math.degrees(ws) <= 81.4:
        return np.where(k < 0.715, 1 - 0.2727 * k + 2.4495 * k**2 - 11.9514 * k**3 + 9.3879 * k**4, 0.143)
    return np.where(k < 0.722, 1 + 0.2832 * k - 2.5557 * k**2 + 0.8448 * k**3, 0.175)


class Light(NamedTuple):
    """Light of the steps of a day in W/m²: global and diffuse on the flat, beam, and the beam outside the atmosphere; by day and step."""

    ghi: Array
    dhi: Array
    dni: Array
    outside: float


def light_of(k: Array, lat_deg: float, day: int, w: Array, cos_z: Array) -> Light:
    """Light of days with the clearness ``k`` (one value a day), at the steps of one day of the year."""
    s = season_of(day)
    g0n = SOLAR_CONSTANT_W_M2 * s.e0
    up = np.maximum(cos_z, 0.0)
    part = diffuse_part(k, sunset_angle(lat_deg, s.dec))
    kt = k[:, None] * day_profile(lat_deg, s.dec, w, cos_z)[None, :]
    kd = np.minimum(kt, (part * k)[:, None])
    lit = (cos_z > 0)[None, :]
    return Light(np.where(lit, kt * g0n * up, 0.0), np.where(lit, kd * g0n * up, 0.0), np.where(lit, (kt - kd) * g0n, 0.0), g0n)
