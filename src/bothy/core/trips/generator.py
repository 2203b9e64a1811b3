"""A generator on the trip: what it burns, from where, and when that is used up (method trips.planning; consumption typical).

Small sets burn a part of their full consumption at no load, and the rest in proportion to what they give.
"""

from __future__ import annotations

from typing import Any

import numpy as np
from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.power.generator import FUELS, full_per_h
from bothy.core.trips import places as k
from bothy.core.trips.engine import Plan, Result
from bothy.core.trips.stores import half
from bothy.core.words.says import trips_says as says


class GeneratorTrip(BaseModel):
    """A generator over the trip, means of the weathers: hours planned and run, kWh made, fuel burnt in ``unit``, what the can holds and what is left
    of it at each
    point of the lanes in the middle weather (None where the fuel is not limited or shared), when the fuel is first out in half of the weathers, and
    in which part at all."""

    planned_h: float
    run_h: float
    made_kwh: float
    fuel: str
    unit: str
    burnt: float
    store: float | None
    level: list[float]
    first_d: float | None
    short_frac: float


def generator_numbers(ctx: Context, stores: dict[int, float]) -> dict[int, float]:
    """The kernel's numbers of a generator. ``stores`` tells whether there is a diesel tank or there are vessels to share."""
    g = ctx.design.power.generator
    if g is None:
        return {}
    full, idle = full_per_h(g).value, FUELS[g.fuel].idle_frac
    n = {k.GEN_IDLE: idle * full, k.GEN_SLOPE: (1 - idle) * full / g.rating_w, k.GEN_STORE: g.store or 0.0}
    if g.shares and g.fuel == "diesel" and stores.get(k.HAS_DIESEL):
        return n | {k.GENERATOR: k.FROM_DIESEL, k.GEN_STORE: 0.0}
    if g.shares and g.fuel == "gas" and stores.get(k.HAS_GAS):
        return n | {k.GENERATOR: k.FROM_GAS, k.GEN_STORE: 0.0}
    return n | {k.GENERATOR: k.OWN_STORE if g.store is not None and not g.shares else k.NO_LIMIT}


def generator_trip(ctx: Context, plan: Plan, r: Result, level: list[float]) -> GeneratorTrip | None:
    """What a run says of the generator; None where it has no hours."""
    g = ctx.design.power.generator
    planned = sum(d.generator[1] for d in plan.days if d.generator and not d.shore)
    if g is None or planned <= 0:
        return None
    own = plan.numbers[k.GENERATOR] == k.OWN_STORE
    firsts = r.summary[:, k.FIRST_GEN]
    return GeneratorTrip(
        planned_h=planned,
        run_h=float(r.summary[:, k.GEN_H].mean()),
        made_kwh=float(r.ledger[:, k.GEN_MADE].mean()) / 1000,
        fuel=g.fuel,
        unit=FUELS[g.fuel].unit,
        burnt=float(r.ledger[:, k.GEN_FUEL].mean()),
        store=g.store if own else None,
        level=level if own else [],
        first_d=half(firsts),
        short_frac=float(np.mean(firsts >= 0)),
    )


def runs_dry(g: GeneratorTrip, when: Any) -> str:
    """The fuel's end in words; ``when`` writes a moment of the trip."""
    day = says("on-in-half-simulated", when=when(g.first_d)) if g.first_d is not None else says("in-simulated-trips", short_frac=g.short_frac)
    what = says("generators-can", store=g.store, unit=g.unit) if g.store is not None else says("that-shares", fuel=g.fuel)
    return says("empty-runs-burnt", what=what, day=day, run_h=g.run_h, planned_h=g.planned_h, burnt=g.burnt, unit=g.unit)
