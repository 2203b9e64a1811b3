"""Water and gas on the trip: what the kernel needs of the stores, and what a run says of them (method trips.run, water.autonomy, gas.autonomy)."""

from __future__ import annotations

from typing import Any

import numpy as np
from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.gas.part import trip_numbers
from bothy.core.sun.geometry import Array
from bothy.core.trips import places as k
from bothy.core.trips.engine import Result
from bothy.core.water.part import Wet, water_part

TOILETS = ("cassette", "black", "urine", "solids")


class StoreTrip(BaseModel):
    """A store on the trip: litres that it gives or takes, its level (of a supply what is left, of waste what is in it) at each point of the lanes,
    when it is first short in half of the weathers."""

    capacity_l: float
    level_l: list[float]
    first_d: float | None


class WaterTrip(BaseModel):
    """Water over the trip: its stores by name, litres used and missing, and the first store that runs short."""

    stores: dict[str, StoreTrip]
    used_l: float
    missing_l: float
    first: str | None
    first_d: float | None
    toilet: str | None


def half(found: Array) -> float | None:
    """The day by which it happened in half of the weathers; None where it did in fewer. Negative where it never did."""
    happened = np.sort(found[found >= 0])
    return float(happened[found.size // 2]) if happened.size > found.size // 2 else None


def wet(ctx: Context) -> Wet:
    """Water of a design, worked out once for a run."""
    if "wet" not in ctx.kept:
        ctx.kept["wet"] = water_part(ctx)
    known: Wet = ctx.kept["wet"]
    return known


def toilet_store(ctx: Context) -> str | None:
    """The container of the toilet that is full first."""
    part = wet(ctx).part
    days = {s.name: s.days for s in part.stores if s.name in TOILETS and s.days is not None}
    return min(days, key=lambda name: days[name] or 0.0) if days else None


class GasTrip(BaseModel):
    """Gas over the trip: kg that the vessels give, what is left at each point of the lanes in the middle weather, kg used (mean), when it is first
    out in half of the weathers, and in which part of them at all."""

    capacity_kg: float
    level_kg: list[float]
    used_kg: float
    first_d: float | None
    short_frac: float


def gas_numbers(ctx: Context) -> dict[int, float]:
    """kg in the vessels and kg a day of a person for what the weather doesn't drive, by their place in the plan; nothing without vessels."""
    known = trip_numbers(ctx)
    if known is None:
        return {}
    usable, day = known
    return {k.HAS_GAS: 1.0, k.GAS: usable, k.COOK_DAY: day / max(1.0, float(int(ctx.people)))}


def gas_trip(ctx: Context, r: Result, numbers: Any, level_kg: list[float]) -> GasTrip | None:
    """What a run says of gas; None where the design has no vessels."""
    from bothy.core.trips.results import WHOLE_LEDGER

    if not ctx.design.gas.vessels:
        return None
    firsts = r.summary[:, k.FIRST_GAS]
    used = dict(zip(WHOLE_LEDGER, r.ledger.mean(axis=0), strict=True))["gas_used_kg"]
    return GasTrip(capacity_kg=float(numbers[k.GAS]), level_kg=level_kg, used_kg=float(used), first_d=half(firsts), short_frac=float((firsts >= 0).mean()))


def store_numbers(ctx: Context) -> dict[int, float]:
    """Capacities and daily litres of a person, by their place in the plan; nothing where nothing was said of water."""
    if not ctx.design.water.begun:
        return {}
    w = wet(ctx)
    people = max(1.0, float(int(ctx.people)))
    usable = {s.name: s.usable_l for s in w.part.stores}
    fresh = w.demand.fresh_tank_l_day
    n: dict[int, float] = {k.FRESH_DAY: fresh / people, k.GREY_PART: w.demand.grey_l_day / fresh if fresh > 0 else 0.0}
    if usable.get("fresh", 0.0) > 0:
        n |= {k.HAS_FRESH: 1.0, k.FRESH: usable["fresh"]}
    if usable.get("grey", 0.0) > 0:
        n |= {k.HAS_GREY: 1.0, k.GREY: usable["grey"]}
    name = toilet_store(ctx)
    if name is not None:
        n |= {k.HAS_TOILET: 1.0, k.TOILET: usable[name], k.TOILET_DAY: w.part.flow_l_day[name] / people}
    return n


def water_trip(ctx: Context, r: Result, numbers: Any, levels: dict[str, list[float]]) -> WaterTrip | None:
    """What a run says of water; None where the design has no store. Use doesn't hang on the weather, so one line stands for all."""
    from bothy.core.trips.results import WHOLE_LEDGER

    has = {"fresh": (k.HAS_FRESH, k.FRESH, k.FIRST_FRESH), "grey": (k.HAS_GREY, k.GREY, k.FIRST_GREY), "toilet": (k.HAS_TOILET, k.TOILET, k.FIRST_TOILET)}
    stores: dict[str, StoreTrip] = {}
    for name, (flag, capacity, first) in has.items():
        if numbers[flag]:
            stores[name] = StoreTrip(capacity_l=float(numbers[capacity]), level_l=levels[name], first_d=half(r.summary[:, first]))
    if not stores:
        return None
    means = dict(zip(WHOLE_LEDGER, r.ledger.mean(axis=0), strict=True))
    short = {name: s.first_d for name, s in stores.items() if s.first_d is not None}
    first_name = min(short, key=lambda x: short[x]) if short else None
    return WaterTrip(
        stores=stores,
        used_l=means["fresh_used_l"],
        missing_l=means["water_unserved_l"],
        first=first_name,
        first_d=short[first_name] if first_name else None,
        toilet=toilet_store(ctx),
    )
