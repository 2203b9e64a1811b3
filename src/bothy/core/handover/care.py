"""The maintenance that a vehicle asks for, and when each piece is due (method handover.maintenance)."""

from __future__ import annotations

import datetime as dt
from typing import NamedTuple

from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.facts.kinds import Service
from bothy.core.handover.maintenance import due
from bothy.core.handover.part import CarePart


class Care(NamedTuple):
    """An item: months and km (whichever comes first), what it needs aboard, how. ``once``: after so many km, and never again."""

    id: str
    name: str
    months: int | None
    needs: str
    how: str
    km: float | None = None
    once: bool = False


CARE: tuple[Care, ...] = (
    Care(
        "first",
        "Bolted joints, bonds and fixings after the first 500 km",
        None,
        "wheels",
        "With a torque wrench, battery switch off; look at each bond.",
        500,
        True,
    ),
    Care("joints", "Bolted joints, panel and rack fixings", 12, "always", "With a torque wrench, battery switch off.", 10_000),
    Care("battery", "Battery: voltage, terminals, straps", 6, "bank", "Clean and tight; flooded ones: level."),
    Care("alarms", "Carbon monoxide, smoke and gas alarm", 1, "always", "By their button; batteries once a year."),
    Care("extinguisher", "Extinguisher", 12, "always", "Gauge in the green; service by its label."),
    Care("rcd", "Residual-current device", 3, "mains", "Its test button, on hook-up."),
    Care("mains", "Mains inspection by the licensed trade", 36, "mains", "Sooner where it is used often, or by your law."),
    Care("gas", "Gas inspection by the licensed trade", 12, "gas", "Every two years in some countries; the law of yours counts."),
    Care("hose", "Gas hose and regulator: dates, cracks", 12, "gas", "Changed by the date that is printed on them."),
    Care("panels", "Panels: clean, bond, glands", 6, "solar", "Not on the roof when it is wet; look under the edges."),
    Care("filter", "Water filter", 6, "filter", "Or by its litres."),
    Care("sanitise", "Clean the water system", 6, "water", "And after it has lain idle."),
    Care("strainer", "Pump strainer", 3, "pump", "Rinse it."),
    Care("valve", "Safety valve of the water heater", 6, "hot", "Lift it once; it must shut again."),
    Care("anode", "Anode and scale of the water heater", 12, "store", "Drain it cold; an anode that is half gone is changed."),
    Care("seals", "Roof and window seals", 6, "always", "Look from inside, too; damp after rain has a reason."),
    Care("damp", "Damp behind linings", 12, "always", "A meter at the corners and round each opening."),
    Care("heater", "Fuel heater: a run of a quarter of an hour", 1, "fuel", "Also in summer."),
    Care("burner", "Fuel heater: service of its burner and filter", 24, "fuel", "By its maker's hours, if it counts them."),
    Care("fridge", "Fridge: vents and back", 12, "fridge", "Dust off, air free."),
    Care("tyres", "Tyres: pressure cold, tread, cracks, age", 1, "wheels", "Loaded for travel; six years is old.", 5_000),
    Care("bearings", "Wheel bearings, brakes and coupling", 12, "trailer", "By somebody who does it every week.", 15_000),
    Care("winter", "Drain for frost", 12, "water", "Before the first frost."),
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


def _every(x: Care) -> str:
    months = "" if x.months is None else "month" if x.months == 1 else f"{x.months} months"
    km = "" if x.km is None else f"{x.km:,.0f} km"
    return f"{months} or {km}" if months and km else months or km


def care_of(d: Design, facts: Facts, today: dt.date) -> list[CarePart]:
    """What is due when. A piece that is done once goes when it was done."""
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
        when = due(today, at, x.months, km)
        unknown = x.once and km is None
        out.append(
            CarePart(
                id=x.id,
                name=x.name,
                every=f"{x.km:,.0f} km" if x.once else _every(x),
                once=x.once,
                last=last[0].isoformat() if last else None,
                due=when.predicted.isoformat() if when.predicted and not unknown and (when.due or km) else None,
                km_left=when.km,
                status="soon" if unknown else when.status,
                how=x.how,
                cost=sum(s.cost or 0.0 for _, s in done.get(x.id, [])),
            )
        )
    return out
