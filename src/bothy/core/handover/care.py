"""The maintenance that a vehicle asks for, and when each piece is due (method handover.maintenance)."""

from __future__ import annotations

import datetime as dt
from collections.abc import Mapping
from types import MappingProxyType
from typing import TYPE_CHECKING, NamedTuple

from bothy.core.design.document import Design
from bothy.core.design.handover import Counter
from bothy.core.facts.document import Facts
from bothy.core.facts.kinds import Service
from bothy.core.handover.maintenance import due
from bothy.core.handover.part import CarePart
from bothy.core.handover.words import say

if TYPE_CHECKING:
    from bothy.core.report import Report

NO_USE: Mapping[Counter, float] = MappingProxyType({})


class Care(NamedTuple):
    """An item: months, km and what is counted (whichever comes first), and what it needs aboard; its words are of the catalogue. ``once``: after so many km,
    and never again."""

    id: str
    months: int | None
    needs: str
    km: float | None = None
    once: bool = False
    counts: tuple[Counter, float] | None = None


UNITS: dict[Counter, str] = {"heater_h": "h", "generator_h": "h", "filter_l": "L"}
CARE: tuple[Care, ...] = (
    Care("first", None, "wheels", 500, True),
    Care("joints", 12, "always", 10_000),
    Care("battery", 6, "bank"),
    Care("capacity", 24, "bank", counts=("bank_cycles", 500.0)),
    Care("generator", 12, "generator", counts=("generator_h", 100.0)),
    Care("alarms", 1, "always"),
    Care("extinguisher", 12, "always"),
    Care("rcd", 3, "mains"),
    Care("mains", 36, "mains"),
    Care("gas", 12, "gas"),
    Care("hose", 12, "gas"),
    Care("panels", 6, "solar"),
    Care("filter", 6, "filter", counts=("filter_l", 1500.0)),
    Care("sanitise", 6, "water"),
    Care("strainer", 3, "pump"),
    Care("valve", 6, "hot"),
    Care("anode", 12, "store"),
    Care("seals", 6, "always"),
    Care("damp", 12, "always"),
    Care("heater", 1, "fuel"),
    Care("burner", 24, "fuel", counts=("heater_h", 1000.0)),
    Care("fridge", 12, "fridge"),
    Care("tyres", 1, "wheels", 5_000),
    Care("bearings", 12, "trailer", 15_000),
    Care("winter", 12, "water"),
)
"""Typical intervals; data sheets and local law win."""


def _has(d: Design) -> dict[str, bool]:
    kinds = {a.kind for a in d.life.appliances}
    return {
        "always": True,
        "wheels": d.vehicle.preset != "boat",
        "trailer": d.vehicle.preset == "trailer",
        "bank": d.power.bank is not None,
        "mains": d.power.shore is not None,
        "gas": bool(d.gas.vessels),
        "solar": bool(d.power.arrays),
        "filter": bool(d.water.filters),
        "generator": d.power.generator is not None,
        "water": bool(d.water.tanks),
        "pump": d.water.pump is not None,
        "hot": d.water.hot is not None,
        "store": d.water.hot is not None and d.water.hot.kind == "storage",
        "fuel": any(h.fuel in ("diesel", "petrol") for h in d.warmth.heaters),
        "fridge": "cooling" in kinds,
    }


def _day(s: Service) -> dt.date | None:
    try:
        return dt.date.fromisoformat(s.on[:10])
    except ValueError:
        return None


def odometer_of(d: Design, facts: Facts) -> float | None:
    """The newest reading of the odometer that is known, km."""
    known = [x for x in (d.handover.odometer_km, *(s.odometer_km for s in facts.services)) if x is not None]
    return max(known) if known else None


def interval_of(d: Design, x: Care) -> float | None:
    """How many hours, litres or cycles an item may take: of a filter what is printed on it."""
    if x.counts is None:
        return None
    rated = [f.rated_l for f in d.water.filters if f.rated_l is not None] if x.counts[0] == "filter_l" else []
    return min(rated, default=x.counts[1])


def unit_of(counter: Counter) -> str:
    """What it is counted in."""
    return UNITS.get(counter) or say("care-cycles")


def uses_of(d: Design, r: Report) -> dict[Counter, float]:
    """What is counted in a day of use by the plan: litres where all water goes through a filter, full cycles of the bank. What the plan doesn't tell is left
    out."""
    out: dict[Counter, float] = {}
    if any(f.at == "all" for f in d.water.filters):
        out["filter_l"] = r.water.fresh_l_day
    usable = r.figures.get("power/bank/usable_energy_wh")
    if usable is not None and usable["value"] > 0:
        out["bank_cycles"] = sum(a.energy_wh for a in r.life.appliances.values()) / usable["value"]
    return out


def _every(x: Care, count: float | None) -> str:
    months = "" if x.months is None else say("care-month") if x.months == 1 else say("care-months", months=x.months)
    km = "" if x.km is None else f"{x.km:,.0f} km"
    counted = "" if x.counts is None or count is None else f"{count:,.0f} {unit_of(x.counts[0])}"
    return say("care-or").join(w for w in (months, km, counted) if w)


def care_of(d: Design, facts: Facts, today: dt.date, uses: Mapping[Counter, float] = NO_USE) -> list[CarePart]:
    """What is due when; ``uses``: what is counted in a day. A piece that is done once goes when it was done.

    Without a reading of its counter since, what the plan uses in a day is taken for every day since it was done."""
    has, now_km = _has(d), odometer_of(d, facts)
    done: dict[str, list[tuple[dt.date, Service]]] = {}
    for s in facts.services:
        day = _day(s)
        if day is not None:
            done.setdefault(s.item, []).append((day, s))
    out = []
    for x in CARE:
        if not has[x.needs] or (x.once and x.id in done):
            continue
        last = max(done.get(x.id, []), key=lambda e: e[0], default=None)
        at = last[0] if last else None
        last_km = next((s.odometer_km for _, s in sorted(done.get(x.id, []), key=lambda e: e[0], reverse=True) if s.odometer_km is not None), None)
        if x.once:
            at, last_km = today, d.handover.start_km
        km = (x.km, last_km, now_km, d.handover.km_per_day or 0.0) if x.km is not None and last_km is not None and now_km is not None else None
        every = interval_of(d, x)
        rate = uses.get(x.counts[0], 0.0) if x.counts else 0.0
        counted = None
        if x.counts is not None and every is not None and last is not None:
            then, now = last[1].count, d.handover.counts.get(x.counts[0])
            if then is not None and now is not None:
                counted = (every, then, max(now, then), rate)
            elif rate > 0:
                counted = (every, 0.0, rate * (today - last[0]).days, rate)
        when = due(today, at, x.months, km, counted)
        unknown = x.once and km is None
        out.append(
            CarePart(
                id=x.id,
                name=say(f"care-{x.id}"),
                every=f"{x.km:,.0f} km" if x.once else _every(x, every),
                once=x.once,
                last=last[0].isoformat() if last else None,
                due=when.predicted.isoformat() if when.predicted and not unknown and (when.due or km or counted) else None,
                km_left=when.km,
                counter=x.counts[0] if x.counts else None,
                unit=unit_of(x.counts[0]) if x.counts else "",
                count_left=when.used,
                use=rate or None,
                limit=when.limiting,
                status="soon" if unknown else when.status,
                how=say(f"care-{x.id}-how"),
                cost=sum(s.cost or 0.0 for _, s in done.get(x.id, [])),
            )
        )
    return out
