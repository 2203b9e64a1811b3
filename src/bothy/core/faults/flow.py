"""A tree of pipes whose losses go with the square of the flow, behind a source that sags in a straight line: solved in closed form (method prove.practice)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal, NamedTuple

PieceKind = Literal["bottle", "strainer", "pump", "regulator", "valve", "pipe", "tap", "burner"]
OUTLETS = ("tap", "burner")


@dataclass(frozen=True, slots=True)
class Piece:
    """A piece of the tree from its parent's end (None: the store) to its own. ``k``: pressure lost per flow squared; an outlet ends in the open;
    ``valve``: it can be shut."""

    id: str
    name: str
    kind: PieceKind
    parent: str | None
    k: float
    valve: bool = False


class Flows(NamedTuple):
    """Flow through each piece and pressure at its end. Behind what is shut nothing is known: 0."""

    flow: dict[str, float]
    pressure: dict[str, float]


def solved(pieces: Sequence[Piece], rest: float, sag: float, shut: Mapping[str, object] | set[str] | frozenset[str], more: Mapping[str, float]) -> Flows:
    """Flows and pressures. ``rest``: pressure of the source without flow; ``sag``: pressure lost per flow; ``shut``: pieces that let nothing through;
    ``more``: losses added to a piece by a fault. Parents come before their children.

    With Q = c·√p behind each piece, conductances of branches add; through a piece 1/c² grows by k. At the source rest − sag·Q = Q²/c².
    """
    below: dict[str | None, float] = {}
    through: dict[str, float] = {}
    for x in reversed(pieces):
        k = x.k + more.get(x.id, 0.0)
        end = math.inf if x.kind in OUTLETS else below.get(x.id, 0.0)
        c = 0.0 if x.id in shut or end == 0 else 1 / math.sqrt(max(1e-30, k + (0.0 if end == math.inf else 1 / end**2)))
        through[x.id] = c
        below[x.parent] = below.get(x.parent, 0.0) + c
    c = below.get(None, 0.0)
    if c == 0 or rest <= 0:
        q = 0.0
    else:
        s = 1 / c**2
        q = 2 * rest / (sag + math.sqrt(sag**2 + 4 * s * rest))
    at: dict[str | None, float] = {None: rest - sag * q}
    flow: dict[str, float] = {}
    for x in pieces:
        p = at.get(x.parent, 0.0)
        flow[x.id] = through[x.id] * math.sqrt(max(0.0, p))
        lost = (x.k + more.get(x.id, 0.0)) * flow[x.id] ** 2
        at[x.id] = 0.0 if x.kind in OUTLETS or x.id in shut else max(0.0, p - lost)
    return Flows(flow, {x.id: at[x.id] for x in pieces})


def joined(pieces: Sequence[Piece], at: str, shut: set[str]) -> set[str]:
    """The ends that are in one with the end of ``at``: what no shut piece parts from it. ``""`` stands for the source."""
    by_id = {x.id: x for x in pieces}
    links: dict[str, set[str]] = {}
    for x in pieces:
        if x.kind in OUTLETS or x.id in shut:
            continue
        a, b = x.parent or "", x.id
        links.setdefault(a, set()).add(b)
        links.setdefault(b, set()).add(a)
    found, ahead = {at}, [at]
    while ahead:
        for n in links.get(ahead.pop(), ()):
            if n not in found:
                found.add(n)
                ahead.append(n)
    return {x for x in found if x in by_id or x == ""}
