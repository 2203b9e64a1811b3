"""Things that come in through the bare shell and not past the finished furniture: what places them goes before what would bar their way (method fit.corner)."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import NamedTuple

from bothy.core.build.placing import brought_in_by
from bothy.core.build.templates import Template
from bothy.core.design.document import Design
from bothy.core.report import Report

BUILT_BY = {"wet_room": "build-washroom", "overhead": "build-overheads", "bed": "build-bed", "kitchen": "build-kitchen", "wardrobe": "build-wardrobe"}


class Barred(NamedTuple):
    """A thing, the tasks that may place it, and the furniture in its way with the task that builds each."""

    key: str
    placed_by: tuple[str, ...]
    built_by: Mapping[str, str]


def _kinds(d: Design) -> dict[str, str]:
    """Things that are large enough to be barred -> what they are."""
    out = {k: k for k in ("power:bank", "water:hot", "water:toilet")}
    out |= {f"water:{t.id}": "water:tank" for t in d.water.tanks}
    out |= {f"warmth:{h.id}": "warmth:heater" for h in d.warmth.heaters}
    out |= {f"gas:{x.id}": "gas:appliance" for x in d.gas.appliances}
    return out | {f"life:{x.id}": f"life:{x.kind}" for x in d.life.appliances}


def barred(d: Design, r: Report) -> list[Barred]:
    """Everything that the furniture would bar."""
    kinds, built = _kinds(d), {f"own:{o.id}": BUILT_BY[o.kind] for o in d.fit.own if o.kind in BUILT_BY}
    return [
        Barred(o.key, brought_in_by(kinds.get(o.key, "")), {b: built[b] for b in o.blocking if b in built})
        for o in r.fit.out
        if o.door is not None and o.finished is None
    ]


def brought_in_first(templates: Mapping[str, Template], things: Sequence[Barred]) -> dict[str, Template]:
    """The library with each such thing placed before what would bar its way."""
    out = dict(templates)
    for x in things:
        for task in x.built_by.values():
            mine = {p: False for p in x.placed_by if p in out and task not in out[p].hard and p != task}
            out[task] = out[task]._replace(hard={**mine, **out[task].hard})
    return out
