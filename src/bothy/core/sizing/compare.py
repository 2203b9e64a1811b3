"""Supplies side by side: on the same itinerary, appliances and weathers, so that only the parts differ (method trips.compare)."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Any, Literal

import numpy as np
from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.design.document import Design
from bothy.core.design.power import Power
from bothy.core.power.panels import array_power
from bothy.core.report import report
from bothy.core.sizing.prices import price_and_mass
from bothy.core.sizing.schools import schools_of
from bothy.core.trips import places as k
from bothy.core.trips.engine import simulate, weather_of
from bothy.core.trips.itinerary import NoTrip
from bothy.core.trips.plan import plan_of_design
from bothy.core.trips.results import WHOLE_LEDGER
from bothy.core.words.says import sizing_says as says

MOST = 16


class Beside(BaseModel):
    """One supply through the trip. Changes are against the first; ``differs_known`` False: the difference is within twice its error.

    ``cycles_year`` are equivalent full cycles; ``generator_h`` the hours in which the hook-up charger on a generator would give what is missing.
    ``dangers`` and ``faults`` are those of its Power stage. ``problem`` says why it could not be run.
    """

    key: str
    kind: Literal["this", "school", "variant"]
    name: str
    risk: str
    words: list[str]
    price: float | None
    mass_kg: float
    short_days_frac: float | None = None
    error_frac: float | None = None
    change_frac: float | None = None
    change_error_frac: float | None = None
    differs_known: bool = False
    missing_wh_day: float | None = None
    curtailed_wh_day: float | None = None
    solar_frac: float | None = None
    least_soc_p10: float | None = None
    first_short_d: float | None = None
    generator_h: float | None = None
    cycles_year: float | None = None
    dangers: int = 0
    faults: int = 0
    problem: str | None = None
    patch: list[dict[str, Any]] = []


class SideBySide(BaseModel):
    """All of them, and what is held equal."""

    rows: list[Beside]
    held: list[str]
    draw_count: int
    day_count: int


def _words(p: Power) -> list[str]:
    panels = sum(a.series_count * a.parallel_count for a in p.arrays)
    watts = sum(array_power(a) for a in p.arrays)
    first = (
        f"{panels} {'panel' if panels == 1 else 'panels'}, {watts:.0f} W" + (f", on {p.controller.name}" if p.controller else says("no-controller"))
        if panels
        else says("no-panels")
    )
    return [
        first,
        p.bank.name if p.bank else says("no-bank"),
        p.driving.name if p.driving else says("no-charging-by-driving"),
        p.inverter.name if p.inverter else says("no-inverter"),
    ]


def _patch(before: Power, after: Power) -> list[dict[str, Any]]:
    a, b = before.model_dump(mode="json"), after.model_dump(mode="json")
    return [{"op": "replace", "path": f"/power/{k}", "value": b[k]} for k in b if a[k] != b[k]]


def side_by_side(design: Design, others: Sequence[tuple[str, str, Design]] = (), draws: int | None = None) -> SideBySide:
    """The design, its schools, and the supplies of other variants (key, name, design). Raises :class:`NoTrip` when this design has no trip to run."""
    if draws is not None:
        design = design.model_copy(update={"trips": design.trips.model_copy(update={"draw_count": draws})})
    ctx = Context(design)
    weather = weather_of(plan_of_design(ctx))
    schools = schools_of(ctx)
    prices = {s.key: s.price for s in schools}
    todo: list[tuple[str, Any, str, str, Design]] = [("this", "this", says("this-variant"), "", design)]
    todo += [(s.key, "school", s.name, s.risk, design.model_copy(update={"power": s.power})) for s in schools]
    todo += [(key, "variant", name, "", design.model_copy(update={"power": d.power, "vehicle": d.vehicle})) for key, name, d in others]
    rows: list[Beside] = []
    base: Any = None
    for key, kind, name, risk, d in todo[:MOST]:
        price, mass = price_and_mass(d.power, d.region)
        price = prices.get(key) or price
        found = [f for f in report(d).findings if f.stage == "power" and f.accepted is None]
        row = Beside(
            key=key,
            kind=kind,
            name=name,
            risk=risk,
            words=_words(d.power),
            price=price,
            mass_kg=mass,
            dangers=sum(f.severity == "danger" for f in found),
            faults=sum(f.severity == "fault" for f in found),
            patch=_patch(design.power, d.power) if kind == "school" else [],
        )
        try:
            plan = plan_of_design(Context(d))
        except NoTrip as exc:
            rows.append(row.model_copy(update={"problem": str(exc)}))
            continue
        r = simulate(plan, weather=weather)
        rows.append(row.model_copy(update=_numbers(Context(d), r, base)))
        base = base if base is not None else r.short_day.astype(float)
    n = len(weather.clear[0])
    held = [
        says("this-variants-itinerary-through", n=n, clear_count=len(weather.clear)),
        says("appliances-habits-and-people"),
        says("another-vehicles-alternator-and"),
    ]
    return SideBySide(rows=rows, held=held[: 3 if others else 2], draw_count=len(weather.clear), day_count=n)


def _numbers(ctx: Context, r: Any, base: Any) -> dict[str, Any]:
    m = dict(zip(WHOLE_LEDGER, r.ledger.mean(axis=0), strict=True))
    days = r.short_day.shape[1]
    own = r.short_day.astype(float).mean(axis=1)
    many = own.size > 1
    sources = m["pv_used_wh"] + m["dcdc_wh"] + m["shore_dc_wh"] + m["shore_ac_wh"]
    missing = m["shed_wh"] + m["unserved_wh"]
    firsts = np.sort(r.summary[:, k.FIRST_ELECTRICITY][r.summary[:, k.FIRST_ELECTRICITY] >= 0])
    p = ctx.design.power
    nominal = p.bank.unit_charge_ah * p.bank.parallel_count * ctx.bank_v if p.bank else 0.0
    out: dict[str, Any] = {
        "short_days_frac": float(own.mean()),
        "error_frac": float(own.std(ddof=1) / math.sqrt(own.size)) if many else None,
        "missing_wh_day": missing / days,
        "curtailed_wh_day": m["curtailed_wh"] / days,
        "solar_frac": m["pv_used_wh"] / sources if sources > 0 else None,
        "least_soc_p10": float(np.percentile(r.summary[:, k.LEAST_SOC], 10)),
        "first_short_d": float(firsts[own.size // 2]) if firsts.size > own.size // 2 else None,
        "generator_h": missing / (p.shore.charger_current_a * ctx.bank_v) if p.shore else None,
        "cycles_year": m["battery_out_wh"] / nominal / days * 365 if nominal else None,
    }
    if base is not None:
        change = (r.short_day.astype(float) - base).mean(axis=1)
        error = float(change.std(ddof=1) / math.sqrt(change.size)) if many else None
        out |= {
            "change_frac": float(change.mean()),
            "change_error_frac": error,
            "differs_known": bool(error is not None and abs(change.mean()) >= 2 * error and abs(change.mean()) > 0),
        }
    return out
