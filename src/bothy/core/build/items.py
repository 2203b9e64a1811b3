"""What a task is made of, one by one: windows, openings, circuits, runs; each can be ticked when it is done (method build.tasks)."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import NamedTuple

from bothy.core.design.document import Design
from bothy.core.facts.kinds import LogEntry
from bothy.core.report import Report


class Item(NamedTuple):
    """One of the things that a task does."""

    id: str
    name: str


MAIN_KINDS = ("main", "inverter", "feeder", "driving", "driving_in", "shore", "trickle")


def _openings(r: Report) -> dict[str, list[Item]]:
    sides = [t for t in r.sides.things if not t.kept]
    windows = [Item(t.key, t.name) for t in sides if t.kind == "window"]
    floor = [Item(t.key, t.name) for t in sides if t.face == "floor"]
    walls = [Item(t.key, t.name) for t in sides if t.kind != "window" and t.face != "floor"]
    roof = [t for t in r.roof.things if t.cut is not None and not t.kept]

    def of(*kinds: str) -> list[Item]:
        return [Item(t.key, t.name) for t in roof if t.kind in kinds]

    return {
        "cut-windows": windows,
        "fit-windows": windows,
        "cut-side": walls,
        "fit-side-openings": walls,
        "cut-floor": floor,
        "fit-floor-openings": floor,
        "cut-roof": [Item(t.key, t.name) for t in roof],
        "frame-roof-openings": [Item(t.key, t.name) for t in roof if t.framed],
        "fit-roof-fan": of("fan"),
        "fit-rooflight": of("rooflight", "hatch"),
        "fit-roof-ac": of("air_conditioner"),
        "fit-roof-glands": of("gland"),
        "fit-solar": [Item(t.key, t.name) for t in r.roof.things if t.kind == "panel"],
    }


def _services(d: Design) -> dict[str, list[Item]]:
    def circuits(*kinds: str) -> list[Item]:
        return [Item(f"circuit:{c.id}", c.name) for c in d.wiring.circuits if c.kind in kinds]

    low, mains = circuits("load"), circuits("ac")
    ducts = [Item(f"duct:{x.id}", x.name) for x in d.warmth.ducts]
    return {
        "ff-dc-cables": low,
        "surface-dc-cables": low,
        "sf-loads": low,
        "com-dc-circuits": low,
        "ff-ac-cables": mains,
        "surface-ac-cables": mains,
        "sf-ac": mains,
        "ff-main-cables": circuits(*MAIN_KINDS),
        "ff-data": [Item(f"signal:{s.id}", s.name) for s in d.fit.signals],
        "ff-ducts": ducts,
        "connect-ducts": ducts,
        "ff-water-pipes": [Item(f"water:{x.id}", x.name) for x in d.water.runs],
        "wet-outlets": [Item(f"water:{x.id}", x.name) for x in d.water.runs if x.outlet not in ("none", "heater")],
        "wet-waste": [Item(f"drain:{x.id}", x.name) for x in d.water.drains],
        "gas-pipework": [Item(f"gas:{x.id}", x.name) for x in d.gas.pipes],
        "gas-appliances": [Item(f"gas:{x.id}", x.name) for x in d.gas.appliances],
    }


def items_of(d: Design, r: Report) -> dict[str, list[Item]]:
    """Task -> what it is made of, where that is more than one thing."""
    return {k: v for k, v in {**_openings(r), **_services(d)}.items() if len(v) > 1}


def ticked(log: Iterable[LogEntry]) -> dict[str, set[str]]:
    """Task -> the items that the log has ticked."""
    out: dict[str, set[str]] = {}
    for e in log:
        if e.items:
            out.setdefault(e.task, set()).update(e.items)
    return out


def share_of(items: Iterable[Item], done: Iterable[str]) -> float:
    """How far a task is by its ticks: the share of its items that are ticked; done where it has none."""
    ids, ticks = {x.id for x in items}, set(done)
    return len(ids & ticks) / len(ids) if ids else 1.0


def left_of(items: Mapping[str, list[Item]], done: Mapping[str, set[str]], finished: Iterable[str]) -> dict[str, list[Item]]:
    """Of tasks that are finished by the log and were ticked one by one: what was never ticked."""
    out = {k: [x for x in items.get(k, []) if x.id not in done[k]] for k in finished if k in done}
    return {k: v for k, v in out.items() if v}
