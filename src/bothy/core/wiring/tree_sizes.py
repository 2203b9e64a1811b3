"""Sizes of a whole tree chosen together: every limit kept with the least copper, so that one metre of feeder is enlarged instead of six long branches.

The class limit of a load counts from the busbar to the load. For each size of a feeder its branches take the thinnest size that what is left allows; boards on
boards are tried in the same way. All sizes of every feeder are tried, so the choice is exact for the costs below.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import NamedTuple

from bothy.core.contract import EPS

COPPER_KG = 0.00896
"""Mass of a metre of copper of 1 mm² in kg."""
TERMINAL_MM2, MOST_TERMINAL_MM2 = 6.0, 10.0
"""What the terminals of a blade board take with ease, and at all."""
AWKWARD = 2.0
"""A branch that is thicker than its terminal likes counts for so much more copper."""
MISSED_KG = 1000.0
"""Cost of a limit that no size keeps, for each volt above it: any copper is better."""


class Option(NamedTuple):
    """A size that carries the current behind its fuse: its place in the series, metal in mm², resistance of the loop in mΩ, cost in kg of copper."""

    place: int
    area_mm2: float
    mohm: float
    cost: float


@dataclass
class Branch:
    """A load's circuit: current in A, drop allowed from the busbar in V, sizes in rising order. ``fixed``: it has its cable already."""

    id: str
    current_a: float
    limit_v: float
    options: list[Option]
    fixed: bool = False

    def need(self, before_v: float) -> tuple[Option | None, float]:
        """The thinnest size that keeps the limit behind what is lost before it, and the cost; of none the thickest, with what it misses."""
        if not self.options:
            return None, 0.0
        for o in self.options:
            if before_v + self.current_a * o.mohm / 1000 <= self.limit_v + EPS:
                return o, 0.0 if self.fixed else o.cost
        last = self.options[-1]
        missed = before_v + self.current_a * last.mohm / 1000 - self.limit_v
        return last, (0.0 if self.fixed else last.cost) + MISSED_KG * missed


@dataclass
class Node:
    """A board (or the busbar) with its feeder: its current in A and sizes, branches, and the boards that it feeds."""

    id: str
    current_a: float = 0.0
    options: list[Option] = field(default_factory=list)
    fixed: bool = False
    branches: list[Branch] = field(default_factory=list)
    below: list[Node] = field(default_factory=list)


class Chosen(NamedTuple):
    """Cost in kg, and by branch or board the size chosen."""

    cost: float
    sizes: dict[str, Option]


def _beyond(node: Node, before_v: float) -> Chosen:
    """The best of everything behind a node where so much is lost before."""
    cost, sizes = 0.0, {}
    for b in node.branches:
        option, more = b.need(before_v)
        cost += more
        if option is not None:
            sizes[b.id] = option
    for sub in node.below:
        got = best_sizes(sub, before_v)
        cost += got.cost
        sizes.update(got.sizes)
    return Chosen(cost, sizes)


def best_sizes(node: Node, before_v: float = 0.0) -> Chosen:
    """The least copper for a board with its feeder and all behind it. Of equal costs the thinner feeder."""
    if not node.options:
        return _beyond(node, before_v)
    best: Chosen | None = None
    for o in node.options:
        own = 0.0 if node.fixed else o.cost
        if best is not None and own >= best.cost:
            break
        got = _beyond(node, before_v + node.current_a * o.mohm / 1000)
        if best is None or own + got.cost < best.cost - EPS:
            best = Chosen(own + got.cost, {**got.sizes, node.id: o})
    assert best is not None
    return best


def one_by_one(node: Node, feeder_v: float, before_v: float = 0.0) -> Chosen:
    """The copper where each feeder keeps a limit of its own, ``feeder_v``, and the branches take what is left: what the joint choice is measured against."""
    cost, at, sizes = 0.0, before_v, {}
    if node.options:
        o = next((x for x in node.options if node.current_a * x.mohm / 1000 <= feeder_v + EPS), node.options[-1])
        cost, at = 0.0 if node.fixed else o.cost, before_v + node.current_a * o.mohm / 1000
        sizes[node.id] = o
    for b in node.branches:
        option, more = b.need(at)
        cost += more
        if option is not None:
            sizes[b.id] = option
    for sub in node.below:
        got = one_by_one(sub, feeder_v, at)
        cost += got.cost
        sizes.update(got.sizes)
    return Chosen(cost, sizes)
