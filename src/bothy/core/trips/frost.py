"""On which nights of the trip the wet parts outside the body freeze: each a store of heat of its own, in the air of each weather (method water.freezing)."""

from __future__ import annotations

import math
from typing import TYPE_CHECKING

import numpy as np
from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.sun.geometry import Array
from bothy.core.trips.stores import wet
from bothy.core.water.heat_and_frost import wet_parts
from bothy.core.water.properties import HEAT_J_LK

if TYPE_CHECKING:
    from bothy.core.trips.engine import Plan, Weather

START_C = 10.0
ONE_IN_TEN = 0.1


class FrostTrip(BaseModel):
    """A wet part on the trip: the share of the weathers in which it is under 0 °C on each day, those days in which it is in one of ten or more, the
    coldest of 1 in 10, and W that would hold it at 4 °C in that cold."""

    subject: str
    name: str
    day_frac: list[float]
    nights: list[str]
    coldest_p10_c: float
    hold_w: float


def water_c(mean_c: Array, swing_c: Array, swing_at: Array, litres: float, loss_w_k: float, heater_w: float, dt_h: float) -> Array:
    """Temperature of standing water in °C by draw, day and step. It follows the air and its heater; ice is not reckoned, so that what froze thaws a
    little too soon.

    ``mean_c``, ``swing_c`` by draw and day, ``swing_at`` by day and step. The store is stepped exactly over each step of constant air.
    """
    keep = math.exp(-dt_h * 3600 * loss_w_k / (HEAT_J_LK * litres))
    draws, days = mean_c.shape
    steps = swing_at.shape[1]
    out = np.empty((draws, days, steps))
    t = np.full(draws, START_C)
    for j in range(days):
        for i in range(steps):
            aim = mean_c[:, j] + swing_c[:, j] / 2 * swing_at[j, i] + heater_w / loss_w_k
            t = aim + (t - aim) * keep
            out[:, j, i] = t
    return out


def frost_trip(ctx: Context, plan: Plan, weather: Weather) -> list[FrostTrip]:
    """Every wet part outside the body over the trip, in all weathers; nothing where it is drained for winter or nothing lies outside."""
    from bothy.core.trips.engine import swings

    w = ctx.design.water
    if w.winter == "drain" or not w.begun:
        return []
    parts = wet_parts(w, wet(ctx).part.tanks)
    if not parts:
        return []
    at = swings(plan)
    out = []
    for p in parts:
        t = water_c(weather.mean_c, weather.swing_c, at, p.litres, p.loss_w_k, p.heater_w if w.winter == "keep_warm" else 0.0, plan.step_min / 60)
        day = (t.min(axis=2) < 0).mean(axis=0)
        if w.winter == "glycol":
            day = np.zeros_like(day)
        coldest = float(np.percentile(t.min(axis=(1, 2)), 10))
        air = float(np.percentile((weather.mean_c - weather.swing_c / 2).min(axis=1), 10))
        nights = [d.date.isoformat() for d, share in zip(plan.days, day, strict=True) if share >= ONE_IN_TEN]
        out.append(
            quick(
                FrostTrip,
                subject=p.subject,
                name=p.name,
                day_frac=day.round(3).tolist(),
                nights=nights,
                coldest_p10_c=coldest,
                hold_w=max(0.0, p.loss_w_k * (4.0 - air)),
            )
        )
    return out
