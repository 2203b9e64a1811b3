"""Panels on a roof: the most of them, or the most power, exactly (method roof.packing)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Annotated, Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Contract, Outcome, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import roof_says as says

MOST = 3000
TOL = 1e-6
Side = Annotated[float, Field(ge=-5, le=5)]
Along = Annotated[float, Field(ge=-50, le=50)]


class Rect(NamedTuple):
    """A rectangle on the roof, m: x forwards, y to the left."""

    x0: float
    x1: float
    y0: float
    y1: float


class Spot(NamedTuple):
    """Where a panel may lie: which, turned or not, its rectangle and its weight in the search."""

    rect: Rect
    panel: int
    rotated: bool


class Kind(NamedTuple):
    """A type of panel: length and width in m, power in W, whether it may be turned, and how many there are at most."""

    id: str
    length: float
    width: float
    power: float
    rotate: bool = True
    most: int | None = None


def _sums(start: Sequence[float], steps: Sequence[float], end: float) -> list[float]:
    """Every start plus sums of steps, up to an end: where a panel that was pushed against something can begin."""
    known = {round(s, 6) for s in start}
    todo = list(known)
    while todo:
        at = todo.pop()
        for step in steps:
            nxt = round(at + step, 6)
            if nxt <= end + TOL and nxt not in known:
                known.add(nxt)
                todo.append(nxt)
                if len(known) > MOST:
                    return sorted(known)
    return sorted(known)


def spots(usable: Rect, kinds: Sequence[Kind], blocked: Sequence[Rect], gap: float) -> list[Spot]:
    """Every position that an optimal packing, pushed to the rear and the right, can use; sorted as ties are broken."""
    forms = [(k, False, p.length, p.width) for k, p in enumerate(kinds)]
    forms += [(k, True, p.width, p.length) for k, p in enumerate(kinds) if p.rotate and abs(p.length - p.width) > TOL]
    xs = _sums([usable.x0, *(b.x1 for b in blocked if usable.x0 <= b.x1 <= usable.x1)], sorted({round(f[2] + gap, 6) for f in forms}), usable.x1)
    ys = _sums([usable.y0, *(b.y1 for b in blocked if usable.y0 <= b.y1 <= usable.y1)], sorted({round(f[3] + gap, 6) for f in forms}), usable.y1)
    out = []
    for k, rotated, w, h in forms:
        for x in xs:
            if x + w > usable.x1 + TOL:
                break
            for y in ys:
                if y + h > usable.y1 + TOL:
                    break
                r = Rect(x, x + w, y, y + h)
                if all(r.x1 <= b.x0 + TOL or b.x1 <= r.x0 + TOL or r.y1 <= b.y0 + TOL or b.y1 <= r.y0 + TOL for b in blocked):
                    out.append(Spot(r, k, rotated))
                    if len(out) > MOST:
                        return out
    return sorted(out, key=lambda s: (s.rect.x0, s.rect.y0, s.panel, s.rotated))


class Packed(NamedTuple):
    """A packing: its spots in order, and the most that could be reached (its own value where it is proven)."""

    chosen: list[Spot]
    value: int
    bound: int

    @property
    def proven(self) -> bool:
        """Whether nothing better is possible."""
        return self.value >= self.bound


class _Search:
    def __init__(self, places: Sequence[Spot], weights: Sequence[int], gap: float, limits: Sequence[int | None], steps: int | None) -> None:
        self.places, self.weights, self.limits, self.steps = places, list(weights), limits, steps
        n = len(places)
        self.conflict = [1 << i for i in range(n)]
        for i in range(n):
            a = places[i].rect
            for j in range(i + 1, n):
                b = places[j].rect
                if b.x0 - a.x1 >= gap - TOL:
                    if b.x0 >= a.x1 + gap + 2.0 * TOL and places[j].rect.x0 > a.x1 + gap:
                        break  # sorted along x: all that follow are clear too
                    continue
                if not (a.y1 + gap <= b.y0 + TOL or b.y1 + gap <= a.y0 + TOL or a.x1 + gap <= b.x0 + TOL or b.x1 + gap <= a.x0 + TOL):
                    self.conflict[i] |= 1 << j
                    self.conflict[j] |= 1 << i
        self.best, self.found = -1, list[int]()
        self.turns = 0

    def bound(self, left: int) -> int:
        """The most that what is left can add: cliques of mutual conflict, the heaviest of each."""
        total = 0
        while left:
            first = left & -left
            v = first.bit_length() - 1
            clique, top = self.conflict[v] & left, 0
            members = 0
            while clique:
                one = clique & -clique
                u = one.bit_length() - 1
                members |= one
                top = max(top, self.weights[u])
                clique &= self.conflict[u] & ~one
            left &= ~members
            total += top
        return total

    def run(self, left: int, value: int, chosen: list[int], used: list[int], target: int | None) -> bool:
        """Depth first in the order of ties; with a target, stops at the first that reaches it."""
        self.turns += 1
        if self.steps is not None and self.turns > self.steps:
            return True
        most = value + self.bound(left)
        if (most <= self.best) if target is None else (most < target):
            return False
        if not left:
            if target is None:
                self.best, self.found = value, list(chosen)
                return False
            self.found = list(chosen)
            return value >= target
        v = (left & -left).bit_length() - 1
        kind = self.places[v].panel
        limit = self.limits[kind]
        if limit is None or used[kind] < limit:
            chosen.append(v)
            used[kind] += 1
            if self.run(left & ~self.conflict[v], value + self.weights[v], chosen, used, target):
                return True
            chosen.pop()
            used[kind] -= 1
        return self.run(left & ~(1 << v), value, chosen, used, target)


def packed(usable: Rect, kinds: Sequence[Kind], blocked: Sequence[Rect], gap: float, objective: str, steps: int | None = None) -> tuple[Packed, int]:
    """The best packing with its value, and how many positions were tried. With ``steps``, it ends early and says the bound."""
    places = spots(usable, kinds, blocked, gap)
    if len(places) > MOST:
        raise ValueError("too many positions")
    power = [round(10 * k.power) for k in kinds]
    big = 10_000_000
    if objective == "power":
        places = [s for s in places if power[s.panel] > 0]
        weights = [power[s.panel] * 1000 - 1 for s in places]
    else:
        weights = [big + power[s.panel] for s in places]
    search = _Search(places, weights, gap, [k.most for k in kinds], steps)
    everything = (1 << len(places)) - 1
    bound = search.bound(everything)
    import sys

    before = sys.getrecursionlimit()
    sys.setrecursionlimit(max(before, 2 * len(places) + 500))
    try:
        ended = search.run(everything, 0, [], [0] * len(kinds), None)
        value = max(0, search.best)
        if not ended:
            search.steps = None
            search.run(everything, 0, [], [0] * len(kinds), value)
    finally:
        sys.setrecursionlimit(before)
    return Packed([places[i] for i in search.found], value, bound if ended else value), len(places)


class RoofIn(Contract):
    x0_m: Along
    x1_m: Along
    y0_m: Side
    y1_m: Side

    @model_validator(mode="after")
    def _upper(self) -> Self:
        for axis in "xy":
            if getattr(self, f"{axis}1_m") <= getattr(self, f"{axis}0_m"):
                raise wrong(f"{axis}1_m", says("must-be-above", axis=axis, getattr=getattr(self, f"{axis}0_m")))
        return self


class PanelKindIn(Contract):
    id: str = Field(min_length=1, max_length=200)
    length_m: float = Field(ge=0.1, le=5)
    width_m: float = Field(ge=0.1, le=5)
    power_w: float = Field(0, ge=0, le=2000)
    may_rotate: bool = True


class RoofObstacleIn(RoofIn):
    id: str = Field(min_length=1, max_length=200)
    margin_m: float = Field(0.05, ge=0, le=2)


class PanelPackIn(Contract):
    roof: RoofIn
    panels: list[PanelKindIn] = Field(min_length=1, max_length=20)
    obstacles: list[RoofObstacleIn] = Field([], max_length=60)
    edge_margin_m: float = Field(0.05, ge=0, le=1)
    gap_m: float = Field(0.02, ge=0, le=1)
    objective: Literal["count", "power"] = "count"

    @model_validator(mode="after")
    def _sense(self) -> Self:
        unique_ids(p.id for p in self.panels)
        unique_ids(o.id for o in self.obstacles)
        if self.objective == "power" and not any(p.power_w > 0 for p in self.panels):
            raise wrong("power_w", says("most-power-needs-panel"))
        if len(spots(*_setting(self))) > MOST:
            raise wrong("panels", says("lead-to-more-than", most=MOST))
        return self


def _setting(inp: PanelPackIn) -> tuple[Rect, list[Kind], list[Rect], float]:
    m, r = inp.edge_margin_m, inp.roof
    usable = Rect(r.x0_m + m, r.x1_m - m, r.y0_m + m, r.y1_m - m)
    kinds = [Kind(p.id, p.length_m, p.width_m, p.power_w, p.may_rotate) for p in inp.panels]
    blocked = [Rect(o.x0_m - o.margin_m, o.x1_m + o.margin_m, o.y0_m - o.margin_m, o.y1_m + o.margin_m) for o in inp.obstacles]
    return usable, kinds, blocked, inp.gap_m


class PlacementOut(BaseModel):
    panel: str
    x0_m: float
    x1_m: float
    y0_m: float
    y1_m: float
    rotated: bool


class PanelPackOut(Outcome):
    panel_count: int
    power_w: float
    panel_area_m2: float
    cover_frac: float
    placements: list[PlacementOut]
    finding_ids: list[str]


def panel_pack(inp: PanelPackIn, sources: dict[str, Figure] | None = None) -> PanelPackOut:
    """The most panels, or the most power, that a roof takes, and where each lies. Method: roof.packing."""
    usable, kinds, blocked, gap = _setting(inp)
    best, tried = packed(usable, kinds, blocked, gap, inp.objective)
    count = len(best.chosen)
    area = sum(kinds[s.panel].length * kinds[s.panel].width for s in best.chosen)
    roof = (inp.roof.x1_m - inp.roof.x0_m) * (inp.roof.y1_m - inp.roof.y0_m)

    def fig(key: str, expression: str, value: float, **inputs: float) -> Figure:
        return derived(key, expression, value, Method("roof.packing"), **inputs)

    return PanelPackOut.of(
        panel_count=fig("panel_count", says("most-all-packings-positions"), count, position_count=tried),
        power_w=fig("power_w", "Σ P", sum(kinds[s.panel].power for s in best.chosen), panel_count=count),
        panel_area_m2=fig("panel_area_m2", "Σ length·width", area, panel_count=count),
        cover_frac=fig("cover_frac", "panels/roof", area / roof, panel_area_m2=area, roof_area_m2=roof),
        placements=[
            PlacementOut(panel=kinds[s.panel].id, x0_m=s.rect.x0, x1_m=s.rect.x1, y0_m=s.rect.y0, y1_m=s.rect.y1, rotated=s.rotated) for s in best.chosen
        ],
        finding_ids=[] if count else ["fit-roof-no-panel"],
    )
