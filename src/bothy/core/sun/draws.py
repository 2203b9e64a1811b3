"""Weathers drawn by chance: the same seed gives the same days on every machine, each draw by itself (method trips.weather)."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
from pydantic import Field, field_validator

from bothy.core.catalogue.climates import Climate, climates
from bothy.core.contract import Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, given
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.sun.clearness import of_place
from bothy.core.sun.geometry import MEAN_DAY, Array, extraterrestrial_day
from bothy.core.words.says import sun_says as says

KT_AUTOCORR, TEMP_AUTOCORR = 0.29, 0.7


def luck(seed: int, draw: int, days: int) -> Array:
    """Two standard normal numbers a day, shape (days, 2), of one draw: PCG64 words through the normal quantile."""
    from scipy.special import ndtri

    bits = np.random.PCG64(np.random.SeedSequence(entropy=seed, spawn_key=(draw,)))
    words = np.asarray(bits.random_raw(2 * days), dtype=np.uint64)
    u = ((words >> np.uint64(11)).astype(float) + 0.5) / 2.0**53
    return np.asarray(ndtri(u), dtype=float).reshape(days, 2)


def chain(first: Array, phi: float | Array) -> Array:
    """A chain of days: each is ``phi`` of the day before and new luck for the rest, by the last axis; ``phi`` may have a value for each day."""
    out = np.array(first, dtype=float)
    phis = np.broadcast_to(np.asarray(phi, dtype=float), out.shape[-1:])
    fresh = np.sqrt(1 - phis * phis)
    for j in range(1, out.shape[-1]):
        out[..., j] = phis[j] * out[..., j - 1] + fresh[j] * first[..., j]
    return out


def spread_k(lat_deg: float) -> float:
    """Spread of daily mean temperature round its normal, in K (typical)."""
    return min(4.5, max(1.5, 0.8 + 0.05 * abs(lat_deg)))


def warm_when_clear(lat_deg: float, day: int) -> float:
    """How clearness and temperature go together: clear summer days are warm, clear winter days cold."""
    mean = sum(extraterrestrial_day(lat_deg, n) for n in MEAN_DAY) / 12
    return 0.3 * min(1.0, max(-1.0, (extraterrestrial_day(lat_deg, day) / mean - 1) / 0.5))


class WeatherDrawIn(Contract):
    place: str = Field(max_length=60)
    month: Whole = Field(ge=1, le=12)
    days: Whole = Field(ge=1, le=3660)
    seed: Whole = Field(ge=0, le=2**63 - 1)
    draw: Whole = Field(0, ge=0, le=1_000_000)
    kt_autocorr: float = Field(KT_AUTOCORR, ge=0, le=0.95)
    temp_autocorr: float = Field(TEMP_AUTOCORR, ge=0, le=0.95)
    temp_sigma_k: float | None = Field(None, ge=0, le=15)

    @field_validator("place")
    @classmethod
    def _known(cls, value: str) -> str:
        return known_place(value)

    @property
    def climate(self) -> Climate:
        """The place's normals."""
        return climates()[self.place]


def known_place(value: str) -> str:
    """A key of the climate table. Raises an error that names it."""
    if value not in climates():
        raise wrong("place", says("not-place-in-climate", value=value))
    return value


class WeatherDrawOut(Outcome):
    kt_mean_frac: float
    kt_max_frac: float
    shape: float
    temp_rho: float
    kt_frac: list[float]
    ghi_kwh_m2_day: list[float]
    tmean_c: list[float]
    tmin_c: list[float]
    tmax_c: list[float]


def weather_draw(inp: WeatherDrawIn, sources: dict[str, Figure] | None = None) -> WeatherDrawOut:
    """Days of one month at a place, as chance may send them. Method: trips.weather."""
    from scipy.special import ndtr

    g = Given(inp, sources)
    c, i = inp.climate, inp.month - 1
    days = of_place(c, inp.month)
    n = MEAN_DAY[i]
    rho = warm_when_clear(c.lat_deg, n)
    e: Any = luck(inp.seed, inp.draw, inp.days)
    z = chain(e[:, 0], inp.kt_autocorr)
    x = chain(rho * e[:, 0] + math.sqrt(1 - rho * rho) * e[:, 1], inp.temp_autocorr)
    k = days.quantile(ndtr(z))
    sigma = inp.temp_sigma_k if inp.temp_sigma_k is not None else spread_k(c.lat_deg)
    mean = (c.tmin_c[i] + c.tmax_c[i]) / 2 + sigma * x
    swing = (c.tmax_c[i] - c.tmin_c[i]) * (0.5 + 0.5 * k / days.mean)
    h0 = extraterrestrial_day(c.lat_deg, n)
    mean_k = derived(
        "kt_mean_frac",
        "clip(GHI/H₀, 0.10, 0.78)",
        days.mean,
        Method("trips.weather", "climate table, approximate"),
        ghi_kwh_m2_day=c.ghi_kwh_m2_day[i],
        extraterrestrial_kwh_m2_day=h0,
    )
    most = derived("kt_max_frac", says("largest-clearness-month-not"), days.most, Method("trips.clearness"), kt_mean_frac=mean_k)
    return WeatherDrawOut.of(
        kt_mean_frac=mean_k,
        kt_max_frac=most,
        shape=derived(
            "shape",
            says("truncated-exponential-that-has"),
            days.shape,
            Method("trips.clearness", "by halving"),
            kt_mean_frac=mean_k,
            kt_max_frac=most,
        ),
        temp_rho=derived(
            "temp_rho",
            "0.3·clip((H₀/mean H₀ − 1)/0.5, −1, 1)",
            rho,
            Method("trips.weather") + OwnChoice("typical"),
            lat_deg=given("lat_deg", c.lat_deg, "table", c.name),
            seed_count=g("seed"),
        ),
        kt_frac=k.tolist(),
        ghi_kwh_m2_day=(k * h0).tolist(),
        tmean_c=mean.tolist(),
        tmin_c=(mean - swing / 2).tolist(),
        tmax_c=(mean + swing / 2).tolist(),
    )
