"""Ways for cables, pipes and ducts: a net of raceways, the least-cost path over it, and what a run is then (method fit.routes)."""

from __future__ import annotations

import heapq
import itertools
import math
from collections.abc import Iterable, Mapping, Sequence
from typing import Annotated, Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Contract, Outcome, Whole, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import fit_says as says

Service = Literal["dc", "mains", "data", "gas", "water", "waste", "duct"]
Tag = Literal["heat", "moving_part", "outside", "water", "sharp_edge", "bulkhead", "gas_locker"]
ELECTRIC: tuple[Service, ...] = ("dc", "mains", "data")
TAG_PENALTY: dict[str, float] = {"heat": 4, "moving_part": 4, "outside": 2, "water": 1, "sharp_edge": 1, "bulkhead": 0.5, "gas_locker": 20}
"""What a metre of an edge so tagged costs more, in metres (method fit.routes, own choice)."""
SLACK: dict[str, tuple[float, float]] = {
    "dc": (0.10, 0.30),
    "mains": (0.10, 0.30),
    "data": (0.10, 0.30),
    "gas": (0.05, 0.05),
    "water": (0.05, 0.10),
    "waste": (0.05, 0.05),
    "duct": (0.05, 0.05),
}
"""Service -> share of slack, and allowance at each end in m, for cutting."""
GROUPING: tuple[tuple[int, float], ...] = (
    (1, 1.00),
    (2, 0.80),
    (3, 0.70),
    (4, 0.65),
    (5, 0.60),
    (6, 0.57),
    (7, 0.54),
    (8, 0.52),
    (9, 0.50),
    (12, 0.45),
    (16, 0.41),
    (20, 0.38),
)
DIRECT_M, BEND_DEG, DROP_BEND_M = 0.6, 30.0, 0.05
Point = tuple[float, float, float]


class Edge(NamedTuple):
    """A way between two nodes. ``length_m`` along it; ``services`` it takes; ``tags`` what lies along it."""

    id: str
    a: str
    b: str
    length_m: float
    services: frozenset[str]
    tags: tuple[str, ...] = ()
    grommets: int = 0
    partitioned: bool = False
    inside_mm: float | None = None


class Wanted(NamedTuple):
    """A run to be routed: from point to point, over ``service`` ways; ``start`` and ``end`` name nodes where it must enter."""

    id: str
    service: str
    a: Point
    b: Point
    start: str | None = None
    end: str | None = None
    outer_mm: float | None = None
    cables: int = 1
    loaded: bool = True


class Routed(NamedTuple):
    """A run with its way: nodes and edges (None: there is no way), lengths in m along the net and to it, bends and metal holes."""

    id: str
    service: str
    path: tuple[str, ...] | None
    edges: tuple[str, ...]
    path_m: float | None
    drop_m: float
    rise_m: float
    bends: int
    grommets: int
    tags: tuple[str, ...]

    @property
    def along_m(self) -> float | None:
        """Length along the run as it lies, without slack and ends, m."""
        return None if self.path_m is None else self.path_m + self.drop_m


def square(a: Point, b: Point) -> float:
    """Rectangular distance in m: cables are dressed square."""
    return abs(a[0] - b[0]) + abs(a[1] - b[1]) + abs(a[2] - b[2])


class Net:
    """Nodes and edges, made ready for many runs."""

    def __init__(self, nodes: Mapping[str, Point], edges: Sequence[Edge], penalties: Mapping[str, float] = TAG_PENALTY) -> None:
        self.nodes = dict(nodes)
        self.edges = {e.id: e for e in edges}
        self._out: dict[str, dict[str, list[tuple[str, Edge, float]]]] = {}
        self._penalties = penalties
        self._pieces: dict[str, dict[str, int]] = {}
        self._ways: dict[tuple[str, str], dict[str, tuple[float, float, tuple[str, ...]]]] = {}
        self._routed: dict[tuple[Wanted, float, bool], Routed] = {}

    def _of(self, service: str) -> dict[str, list[tuple[str, Edge, float]]]:
        """Permitted neighbours of each node for a service."""
        known = self._out.get(service)
        if known is None:
            known = self._out[service] = {}
            for e in self.edges.values():
                if service in e.services:
                    cost = e.length_m * (1 + sum(self._penalties.get(t, 0.0) for t in e.tags))
                    known.setdefault(e.a, []).append((e.b, e, cost))
                    known.setdefault(e.b, []).append((e.a, e, cost))
        return known

    def pieces(self, service: str) -> dict[str, int]:
        """Node -> number of the piece of the net that it hangs together with."""
        known = self._pieces.get(service)
        if known is None:
            known = self._pieces[service] = {}
            out = self._of(service)
            for n, start in enumerate(sorted(out)):
                if start in known:
                    continue
                todo = [start]
                known[start] = n
                while todo:
                    for other, _, _ in out[todo.pop()]:
                        if other not in known:
                            known[other] = n
                            todo.append(other)
        return known

    def entry(self, service: str, at: Point, among: Iterable[str] | None = None) -> str | None:
        """The nearest node that the service may enter, by rectangular distance; ties by id."""
        nodes = self._of(service) if among is None else among
        best = min(((round(square(at, self.nodes[n]), 9), n) for n in nodes), default=None)
        return best[1] if best else None

    def ways(self, service: str, start: str) -> dict[str, tuple[float, float, tuple[str, ...]]]:
        """Every node that can be reached -> least (cost, length, path); ties by length, then by the ids of the nodes."""
        known = self._ways.get((service, start))
        if known is not None:
            return known
        out, done = self._of(service), {}
        heap: list[tuple[float, float, tuple[str, ...]]] = [(0.0, 0.0, (start,))]
        while heap:
            cost, length, path = heapq.heappop(heap)
            if path[-1] in done:
                continue
            done[path[-1]] = (cost, length, path)
            for other, e, c in out.get(path[-1], ()):
                if other not in done:
                    heapq.heappush(heap, (round(cost + c, 9), round(length + e.length_m, 9), (*path, other)))
        self._ways[service, start] = done
        return done

    def missing(self, service: str) -> tuple[str, str, float] | None:
        """The shortest edge that would join two pieces of the net of a service: its ends and length in m; None where it hangs together."""
        pieces = self.pieces(service)
        apart = ((square(self.nodes[a], self.nodes[b]), a, b) for a in sorted(pieces) for b in sorted(pieces) if a < b and pieces[a] != pieces[b])
        best = min(apart, default=None)
        return None if best is None else (best[1], best[2], best[0])

    def edge_between(self, service: str, a: str, b: str) -> Edge:
        """The cheapest permitted edge between two neighbours."""
        return min(((c, e.length_m, e.id, e) for o, e, c in self._of(service)[a] if o == b), key=lambda t: t[:3])[3]

    def route(self, w: Wanted, direct_m: float = DIRECT_M, joined: bool = False) -> Routed:
        """The way of one run. ``joined``: enter at the nearest nodes from which the other end can be reached, not merely at the nearest."""
        known = self._routed.get((w, direct_m, joined))
        if known is None:
            known = self._routed[w, direct_m, joined] = self._route(w, direct_m, joined)
        return known

    def _route(self, w: Wanted, direct_m: float, joined: bool) -> Routed:
        rise = w.b[2] - w.a[2]
        if w.start is None and w.end is None and square(w.a, w.b) <= direct_m + 1e-9:
            return Routed(w.id, w.service, (), (), 0.0, square(w.a, w.b), rise, 0, 0, ())
        start, end = w.start or self.entry(w.service, w.a), w.end or self.entry(w.service, w.b)
        if joined and start is not None and end is not None and self.pieces(w.service).get(start) != self.pieces(w.service).get(end):
            start, end = self._joined(w, start, end)
        drop_a = square(w.a, self.nodes[start]) if start else 0.0
        drop_b = square(w.b, self.nodes[end]) if end else 0.0
        found = self.ways(w.service, start).get(end) if start and end else None
        if found is None:
            return Routed(w.id, w.service, None, (), None, drop_a + drop_b, rise, 0, 0, ())
        _, _, path = found
        used = [self.edge_between(w.service, a, b) for a, b in itertools.pairwise(path)]
        return Routed(
            w.id,
            w.service,
            path,
            tuple(e.id for e in used),
            sum(e.length_m for e in used),
            drop_a + drop_b,
            rise,
            self._bends(path) + (drop_a > DROP_BEND_M) + (drop_b > DROP_BEND_M),
            sum(e.grommets for e in used),
            tuple(sorted({t for e in used for t in e.tags})),
        )

    def _joined(self, w: Wanted, start: str, end: str) -> tuple[str, str]:
        """Entries in one piece of the net, with the least way to it at both ends."""
        pieces = self.pieces(w.service)
        best: tuple[float, str, str] | None = None
        for piece in sorted(set(pieces.values())):
            inside = [n for n, p in pieces.items() if p == piece]
            a = start if w.start else self.entry(w.service, w.a, inside)
            b = end if w.end else self.entry(w.service, w.b, inside)
            if a is None or b is None or pieces.get(a) != piece or pieces.get(b) != piece:
                continue
            far = square(w.a, self.nodes[a]) + square(w.b, self.nodes[b])
            if best is None or (far, a, b) < best:
                best = (far, a, b)
        return (best[1], best[2]) if best else (start, end)

    def _bends(self, path: Sequence[str]) -> int:
        count = 0
        for a, b, c in zip(path, path[1:], path[2:], strict=False):
            u = [q - p for p, q in zip(self.nodes[a], self.nodes[b], strict=True)]
            v = [q - p for p, q in zip(self.nodes[b], self.nodes[c], strict=True)]
            size = math.hypot(*u) * math.hypot(*v)
            if size > 0 and math.degrees(math.acos(max(-1.0, min(1.0, sum(p * q for p, q in zip(u, v, strict=True)) / size)))) > BEND_DEG + 1e-9:
                count += 1
        return count


def grouping_factor(n: int) -> float:
    """What bunched loaded circuits carry of what one alone carries (IEC 60364-5-52, table B.52.17)."""
    return 1.0 if n == 0 else next((f for count, f in GROUPING if count >= n), GROUPING[-1][1])


def fill_limit(cables: int) -> float:
    """Share of a conduit's section that cables may take (NFPA 70, chapter 9)."""
    return {1: 0.53, 2: 0.31}.get(cables, 0.40)


Coordinate = Annotated[float, Field(ge=-50, le=50)]
Id = Annotated[str, Field(min_length=1, max_length=200)]


class NodeIn(Contract):
    id: Id
    x_m: Coordinate
    y_m: Coordinate
    z_m: Coordinate


class EdgeIn(Contract):
    id: Id
    a: Id
    b: Id
    services: list[Service] = Field(min_length=1, max_length=7)
    length_m: float | None = Field(None, gt=0, le=100)
    tags: list[str] = Field([], max_length=20)
    grommet_count: Whole = Field(0, ge=0, le=20)
    partitioned: bool = False
    inside_diameter_mm: float | None = Field(None, gt=0, le=500)


class EndIn(Contract):
    x_m: Coordinate
    y_m: Coordinate
    z_m: Coordinate
    node: Id | None = None


class RunIn(Contract):
    id: Id
    service: Service
    from_: EndIn = Field(alias="from")
    to: EndIn
    slack_frac: float | None = Field(None, ge=0, le=2)
    slack_end_m: float | None = Field(None, ge=0, le=5)
    outer_diameter_mm: float | None = Field(None, gt=0, le=300)
    cable_count: Whole = Field(1, ge=1, le=50)
    loaded: bool | None = None


class RouteLengthIn(Contract):
    nodes: list[NodeIn] = Field(min_length=1, max_length=1000)
    edges: list[EdgeIn] = Field([], max_length=4000)
    tag_penalties: dict[str, Annotated[float, Field(ge=0, le=1000)]] = {}
    direct_max_m: float = Field(DIRECT_M, ge=0, le=5)
    runs: list[RunIn] = Field(min_length=1, max_length=500)

    @model_validator(mode="after")
    def _links(self) -> Self:
        for items in (self.nodes, self.edges, self.runs):
            unique_ids(x.id for x in items)
        nodes = {n.id: (n.x_m, n.y_m, n.z_m) for n in self.nodes}
        tags = {**TAG_PENALTY, **self.tag_penalties}
        for e in self.edges:
            for key in ("a", "b"):
                if getattr(e, key) not in nodes:
                    raise wrong(key, says("edge-names-node-which", e_id=e.id, getattr=getattr(e, key)))
            if e.a == e.b:
                raise wrong("b", says("edge-leads-from-to", e_id=e.id, a=e.a))
            if e.length_m is None and math.dist(nodes[e.a], nodes[e.b]) <= 0:
                raise wrong("length_m", says("edge-joins-two-nodes", e_id=e.id))
            for t in e.tags:
                if t not in tags:
                    raise wrong("tags", says("has-no-penalty-known", t=t, tags=", ".join(tags)))
        for r in self.runs:
            for end in (r.from_, r.to):
                if end.node is not None and end.node not in nodes:
                    raise wrong("node", says("run-names-node-which", r_id=r.id, node=end.node))
        return self


class RunOut(BaseModel):
    id: str
    path: list[str] | None
    edge_ids: list[str]
    path_length_m: float | None
    drop_length_m: float
    length_m: float | None
    rise_m: float
    bend_count: int
    grommet_count: int
    tags: list[str]


class EdgeOut(BaseModel):
    id: str
    run_ids: list[str]
    loaded_circuit_count: int
    grouping_factor: float
    fill_frac: float | None


class RouteLengthOut(Outcome):
    runs: list[RunOut]
    edges: list[EdgeOut]
    grommet_count: int
    total_length_m: float
    finding_ids: list[str]


TAG_RULES = {"heat": "fit-route-heat", "moving_part": "fit-route-moving-part", "sharp_edge": "fit-route-sharp-edge"}


def route_length(inp: RouteLengthIn, sources: dict[str, Figure] | None = None) -> RouteLengthOut:
    """Each run's way over the net, its length with slack and ends, and what shares an edge. Method: fit.routes."""
    nodes = {n.id: (n.x_m, n.y_m, n.z_m) for n in inp.nodes}
    edges = [
        Edge(
            e.id,
            e.a,
            e.b,
            math.dist(nodes[e.a], nodes[e.b]) if e.length_m is None else e.length_m,
            frozenset(e.services),
            tuple(e.tags),
            e.grommet_count,
            e.partitioned,
            e.inside_diameter_mm,
        )
        for e in inp.edges
    ]
    net = Net(nodes, edges, {**TAG_PENALTY, **inp.tag_penalties})
    found: set[str] = set()
    runs, on = [], dict[str, list[RunIn]]()
    for r in inp.runs:
        start, end = (r.from_.x_m, r.from_.y_m, r.from_.z_m), (r.to.x_m, r.to.y_m, r.to.z_m)
        way = net.route(Wanted(r.id, r.service, start, end, r.from_.node, r.to.node), inp.direct_max_m)
        slack, ends = SLACK[r.service]
        slack, ends = slack if r.slack_frac is None else r.slack_frac, ends if r.slack_end_m is None else r.slack_end_m
        if way.path is None:
            found.add("fit-route-none")
        for e in way.edges:
            on.setdefault(e, []).append(r)
        found |= {TAG_RULES[t] for t in way.tags if t in TAG_RULES}
        if "gas_locker" in way.tags and r.service in ELECTRIC:
            found.add("fit-electrics-in-gas-locker")
        runs.append(
            RunOut(
                id=r.id,
                path=None if way.path is None else list(way.path),
                edge_ids=list(way.edges),
                path_length_m=way.path_m,
                drop_length_m=way.drop_m,
                length_m=None if way.along_m is None else way.along_m * (1 + slack) + 2 * ends,
                rise_m=way.rise_m,
                bend_count=way.bends,
                grommet_count=way.grommets,
                tags=list(way.tags),
            )
        )
    used = [_edge(net.edges[id], on[id], found) for id in sorted(on)]
    total = sum(r.length_m for r in runs if r.length_m is not None)
    return RouteLengthOut.of(
        runs=runs,
        edges=used,
        grommet_count=derived(
            "grommet_count",
            "Σ holes along the ways",
            sum(r.grommet_count for r in runs),
            Method("fit.routes"),
            **{f"{r.id}_count": r.grommet_count for r in runs[:20]},
        ),
        total_length_m=derived(
            "total_length_m", "Σ (path + drops)·(1 + slack) + 2 ends", total, Method("fit.routes"), **{f"{r.id}_m": r.length_m or 0.0 for r in runs[:20]}
        ),
        finding_ids=sorted(found),
    )


def _edge(e: Edge, runs: Sequence[RunIn], found: set[str]) -> EdgeOut:
    """What lies in one edge together: bunching, fill, and services that mustn't be."""
    loaded = sum((r.service in ("dc", "mains")) if r.loaded is None else r.loaded for r in runs)
    fill = None
    if e.inside_mm is not None and all(r.outer_diameter_mm is not None for r in runs):
        fill = sum(r.cable_count * (r.outer_diameter_mm or 0.0) ** 2 for r in runs) / e.inside_mm**2
        if fill > fill_limit(sum(r.cable_count for r in runs)) + 1e-9:
            found.add("fit-conduit-overfull")
    services = {r.service for r in runs}
    if not e.partitioned:
        if {"mains", "dc"} <= services:
            found.add("fit-mains-dc-mixed")
        if {"mains", "data"} <= services:
            found.add("fit-mains-data-mixed")
        if "gas" in services and services & set(ELECTRIC):
            found.add("fit-gas-with-cable")
    return EdgeOut(id=e.id, run_ids=sorted(r.id for r in runs), loaded_circuit_count=loaded, grouping_factor=grouping_factor(loaded), fill_frac=fill)
