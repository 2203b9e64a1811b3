"""What one more part would do on the same weathers: a panel, a battery, charge while driving, panels on the ground (method trips.sizing)."""

from __future__ import annotations

import math
from dataclasses import replace
from typing import Any

from bothy.core.catalogue.parts import parts
from bothy.core.context import Context
from bothy.core.places import legs_of
from bothy.core.trips.cabin import Thermal
from bothy.core.trips.engine import Arrays, Plan, PlanArray, Result, refitted
from bothy.core.trips.itinerary import days_of
from bothy.core.trips.plan import bank_of, numbers_of, panels_of
from bothy.core.trips.run import Buy
from bothy.core.words.says import trips_says as says

MORE_DRIVING_W = 100.0


def _added(ctx: Context, what: str) -> dict[str, float | None]:
    """Price and mass of one more panel or battery of the design's own kind, where the catalogue knows it."""
    p = ctx.design.power
    shared = p.shared_arrays
    key = shared[0].part if shared and what.startswith("one more panel") else p.bank.part if p.bank and what.startswith("one more battery") else None
    part = parts(ctx.region.key).get(key or "")
    count = p.bank.series_count if p.bank and what.startswith("one more battery") else 1
    return {"price": count * part.price, "mass_kg": count * part.mass_kg} if part else {"price": None, "mass_kg": None}


def _more(ctx: Context) -> list[tuple[str, Context]]:
    """The same design with one more panel, one more battery, 100 W more while driving, and in winter with its panels on the ground."""
    p = ctx.design.power
    out = []
    if p.shared_arrays and p.controller is not None:
        a = p.shared_arrays[0]
        one = a.model_copy(update={"panel_power_w": a.panel_power_w * (1 + 1 / (a.series_count * a.parallel_count))})
        room = p.controller.model_copy(update={"max_charge_current_a": p.controller.max_charge_current_a + a.panel_power_w / ctx.bank_v})
        out.append(
            (
                says("one-more-panel-with", panel_power_w=a.panel_power_w),
                p.model_copy(update={"arrays": [one if x is a else x for x in p.arrays], "controller": room}),
            )
        )
    if p.bank is not None:
        out.append(
            (
                says("one-more-battery", unit_charge_ah=p.bank.unit_charge_ah)
                + (says("units-in-series", series_count=p.bank.series_count) if p.bank.series_count > 1 else ""),
                p.model_copy(update={"bank": p.bank.model_copy(update={"parallel_count": p.bank.parallel_count + 1})}),
            )
        )
    if p.driving is not None and p.driving.school == "dcdc" and any(leg.drives_on(0) for leg in legs_of(ctx.design)):
        more = p.driving.model_copy(update={"rating_a": p.driving.rating_a + MORE_DRIVING_W / ctx.bank_v})
        out.append((says("more-while-driving", more_driving_w=MORE_DRIVING_W), p.model_copy(update={"driving": more})))
    if any(a.tilt_deg == 0 and a.deploy == "fixed" for a in p.arrays) and p.controller is not None and _in_winter(ctx):
        lifted = [a.model_copy(update={"tilt_deg": 60.0, "azimuth_deg": None, "deploy": "ground", "mounting": "open_rack"}) for a in p.arrays]
        out.append((says("same-panels-on-ground"), p.model_copy(update={"arrays": lifted})))
    return [(what, Context(ctx.design.model_copy(update={"power": power}))) for what, power in out]


def _in_winter(ctx: Context) -> bool:
    """Most of the trip lies in the winter half of the year, far from the equator."""
    days = days_of(ctx)
    dark = sum(abs(d.place.lat_deg) > 40 and (d.date.month in (10, 11, 12, 1, 2, 3)) == (d.place.lat_deg > 0) for d in days)
    return 2 * dark > len(days)


def _lies(a: PlanArray) -> tuple[float, float, str]:
    """How an array lies: what its part of the sun hangs on."""
    return (a.tilt_deg, a.azimuth_deg, a.deploy)


def buys(ctx: Context, plan: Plan, thermal: Thermal, r: Result, weather: Any, ready: Arrays, workers: int = 1) -> list[Buy]:
    """What one more part would do, on the same weathers, so that luck cancels out."""
    from bothy.core.trips.engine import simulate
    from bothy.core.trips.results import LEDGER

    i, j, count = LEDGER.index("shed_wh"), LEDGER.index("unserved_wh"), plan.weather_count
    out = []
    for what, more in _more(ctx):
        bank = bank_of(more)
        # cabin, loads and stores stay as they are: only panels, bank and their numbers differ
        made = replace(plan, arrays=panels_of(more), bank=bank.numbers, numbers=numbers_of(more, bank, thermal))
        alike = [_lies(a) for a in made.arrays] == [_lies(a) for a in plan.arrays]
        other = simulate(made, weather=weather, ready=refitted(ready, made, 0, count) if alike else None, workers=workers)
        days = r.short_day.shape[1]
        change = (other.short_day.astype(float) - r.short_day).mean(axis=1)
        missing = ((other.ledger[:, i] + other.ledger[:, j]) / days).mean()
        now = ((r.ledger[:, i] + r.ledger[:, j]) / days).mean()
        error = float(change.std(ddof=1) / math.sqrt(change.size)) if change.size > 1 else 0.0
        out.append(
            Buy(
                what=what,
                short_days_frac=float(other.short_day.mean()),
                change_frac=float(change.mean()),
                error_frac=error,
                missing_wh_day=float(missing),
                change_wh_day=float(missing - now),
                **_added(ctx, what),
            )
        )
    return out
