"""The ways of a vehicle: a proposed net of raceways for its body, one's own ways, and what is routed over them (method fit.routes).

Low voltage and signals, mains, water with waste and air, and gas each have a net of their own, so that what must lie apart never shares a way.
"""

from __future__ import annotations

import itertools
import math
from typing import NamedTuple

from bothy.core.design.fit import Fit
from bothy.core.fit.body import BodyShape
from bothy.core.fit.routing import Edge, Net, Point
from bothy.core.words.says import fit_says as says

STEP_M = 0.7
"""About how far the uprights of a wall are apart (the ribs of a van)."""
OFF_WALL, OFF_CEILING = 0.03, 0.06
LAYERS: dict[str, tuple[str, tuple[str, ...]]] = {
    "d": (says("low-voltage-and-signals"), ("dc", "data")),
    "m": ("mains", ("mains",)),
    "w": (says("water-waste-and-warm"), ("water", "waste", "duct")),
    "g": ("gas", ("gas",)),
}
ENGINE, ROOF = "engine", "roof-gland"


class WayNet(NamedTuple):
    """The net, with what each edge is called and on which surface it lies (left, right, ceiling, floor, under, front)."""

    net: Net
    names: dict[str, str]
    surface: dict[str, str]
    astray: tuple[str, ...]
    """Own ways whose ends don't exist."""


def _xs(body: BodyShape) -> list[float]:
    first, last = body.hull.first + 0.10, body.hull.last - 0.10
    n = max(2, round((last - first) / STEP_M) + 1)
    return [first + (last - first) * i / (n - 1) for i in range(n)]


def _in_door(body: BodyShape, side: str, x: float, z: float) -> bool:
    return any(d.side == side and d.a - 0.02 < x < d.b + 0.02 and d.sill <= z < d.sill + d.height for d in body.doors)


def _low(body: BodyShape, x: float, side: str, z: float) -> float:
    """A height over what stands in the way along the wall (a wheel arch)."""
    sign = 1 if side == "left" else -1
    tops = [b.z1 for _, _, kind, b in body.obstacles if kind == "wheel_arch" and b.x0 - 0.05 < x < b.x1 + 0.05 and sign * (b.y0 + b.y1) > 0]
    return max([z, *(t + 0.05 for t in tops)])


class _Builder:
    def __init__(self, body: BodyShape, closed: frozenset[str]) -> None:
        self.body, self.closed = body, closed
        self.nodes: dict[str, Point] = {}
        self.edges: list[Edge] = []
        self.names: dict[str, str] = {}
        self.surface: dict[str, str] = {}

    def node(self, id: str, x: float, y: float, z: float) -> str:
        self.nodes[id] = (round(x, 4), round(y, 4), round(z, 4))
        return id

    def edge(self, a: str | None, b: str | None, layer: str, name: str, surface: str, tags: tuple[str, ...] = (), holes: int = 0) -> None:
        if a is None or b is None:
            return
        id = f"{a}--{b}"
        if id in self.closed:
            return
        self.edges.append(Edge(id, a, b, math.dist(self.nodes[a], self.nodes[b]), frozenset(LAYERS[layer][1]), tags, holes))
        self.names[id], self.surface[id] = name, surface

    def wall_point(self, layer: str, side: str, i: int, x: float, level: str, z: float) -> str | None:
        if _in_door(self.body, side, x, z):
            return None
        left, right, ceiling = self.body.hull.at(x, z)
        y = left - OFF_WALL if side == "left" else -(right - OFF_WALL)
        return self.node(f"{layer}-{side}-{level}-{i}", x, y, min(z, ceiling - 0.02))


def proposed(body: BodyShape, fit: Fit) -> WayNet:
    """The net of a body: trunks low and high along both walls, uprights between them, crossings under the ceiling and in the floor, gas under the floor;
    no way through a door. Own nodes and ways are added, closed ones left out."""
    made = _Builder(body, frozenset(fit.closed))
    xs = _xs(body)
    heights = {"d": (0.10, 0.0), "m": (0.45, 0.08), "w": (0.05, 0.0)}
    for layer, (low, below) in heights.items():
        _layer(made, layer, xs, low, below)
    _gas(made, xs)
    front = len(xs) - 1
    if body.cab:
        engine = made.node(ENGINE, body.hull.last + 0.9, 0.0, 0.35)
        for side in ("left", "right"):
            at = f"d-{side}-low-{front}"
            if at in made.nodes:
                made.edge(at, engine, "d", says("through-bulkhead", side=side), "front", ("bulkhead",), 1)
    astray = []
    for n in fit.nodes:
        made.node(n.id, n.x_m, n.y_m, n.z_m)
    for w in fit.ways:
        if w.a not in made.nodes or w.b not in made.nodes or w.a == w.b:
            astray.append(w.id)
            continue
        straight = math.dist(made.nodes[w.a], made.nodes[w.b])
        made.edges.append(Edge(w.id, w.a, w.b, w.length_m or max(0.01, straight), frozenset(w.services), tuple(w.tags), w.holes, False, w.inside_mm))
        made.names[w.id], made.surface[w.id] = w.id, "own"
    return WayNet(Net(made.nodes, made.edges), made.names, made.surface, tuple(astray))


def _layer(made: _Builder, layer: str, xs: list[float], low: float, below: float) -> None:
    """One net: two trunks low along the walls, two high, uprights, and crossings."""
    body, what = made.body, LAYERS[layer][0]
    rows: dict[tuple[str, str], list[str | None]] = {}
    for side in ("left", "right"):
        rows[side, "low"] = [made.wall_point(layer, side, i, x, "low", _low(body, x, side, low)) for i, x in enumerate(xs)]
        if layer != "w":
            rows[side, "high"] = [made.wall_point(layer, side, i, x, "high", body.hull.at(x, body.height)[2] - OFF_CEILING - below) for i, x in enumerate(xs)]
    for (side, level), row in rows.items():
        where = says("low-along") if level == "low" else says("under-ceiling-along")
        for i, (a, b) in enumerate(itertools.pairwise(row)):
            mid = (xs[i] + xs[i + 1]) / 2
            z = low if level == "low" else body.height - OFF_CEILING
            if a and b and not _in_door(body, side, mid, z):
                made.edge(a, b, layer, says("wall", where=where, side=side, what=what), side)
    for i, x in enumerate(xs):
        if layer == "w":
            made.edge(rows["left", "low"][i], rows["right", "low"][i], layer, says("across-in-floor"), "floor")
            continue
        for side in ("left", "right"):
            if not _in_door(body, side, x, 0.9):
                made.edge(rows[side, "low"][i], rows[side, "high"][i], layer, says("up-wall", side=side, what=what), side)
        z = body.hull.at(x, body.height)[2] - OFF_CEILING / 2 - (0.04 if layer == "m" else 0.0)
        top = made.node(f"{layer}-top-{i}", x, 0.0, z)
        for side in ("left", "right"):
            made.edge(rows[side, "high"][i], top, layer, says("across-under-ceiling", what=what), "ceiling")
        if layer == "d":
            made.edge(rows["left", "low"][i], rows["right", "low"][i], layer, says("across-in-floor-low"), "floor")


def _gas(made: _Builder, xs: list[float]) -> None:
    """Gas lies under the floor, where a leak falls out, and comes up where it is needed."""
    under = {side: [made.node(f"g-{side}-under-{i}", x, y, -0.12) for i, x in enumerate(xs)] for side, y in (("left", 0.55), ("right", -0.55))}
    for side, row in under.items():
        for a, b in itertools.pairwise(row):
            made.edge(a, b, "g", says("under-floor-gas"), "under", ("outside",))
        for i, at in enumerate(row):
            x, y, _ = made.nodes[at]
            up = made.node(f"g-{side}-up-{i}", x, y, 0.03)
            made.edge(at, up, "g", says("up-through-floor-gas"), "floor", (), 1)
    for i in range(len(xs)):
        made.edge(under["left"][i], under["right"][i], "g", says("across-under-floor-gas"), "under", ("outside",))
