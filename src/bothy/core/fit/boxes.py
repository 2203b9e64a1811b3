"""Boxes, what they cut and what stands in their clearances (method fit.boxes)."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from typing import Annotated, Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, rising_box, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.fit.hull import Hull, ShellIn
from bothy.core.method.sources import Method
from bothy.core.words.says import fit_says as says

Face = Literal["rear", "front", "right", "left", "bottom", "top"]
FACES: tuple[Face, ...] = ("rear", "front", "right", "left", "bottom", "top")
Kind = Literal["bay", "shell", "obstacle", "overlap", "bay_clearance", "shell_clearance", "clearance"]
ORDER: tuple[Kind, ...] = ("bay", "shell", "obstacle", "overlap", "bay_clearance", "shell_clearance", "clearance")
OVER = 0.0005
"""Overlap in m that a tape can't tell (the tolerance of reading)."""
ABOVE_LAP, ABOVE_GROWN = 0.02, 0.10
"""method fit.neighbours: how far a thing above may dip, and how far its drips run sideways, m."""


class Box(NamedTuple):
    """An upright box in m: x from the rear forwards, y left of the centre line, z over the finished floor."""

    x0: float
    x1: float
    y0: float
    y1: float
    z0: float
    z1: float

    def grown(self, by: Sequence[float]) -> Box:
        """Longer at each face by ``by`` (rear, front, right, left, bottom, top)."""
        return Box(self.x0 - by[0], self.x1 + by[1], self.y0 - by[2], self.y1 + by[3], self.z0 - by[4], self.z1 + by[5])

    @property
    def middle(self) -> tuple[float, float, float]:
        """Centre of the box."""
        return (self.x0 + self.x1) / 2, (self.y0 + self.y1) / 2, (self.z0 + self.z1) / 2

    def moved(self, dx: float, dy: float, dz: float) -> Box:
        """The same box elsewhere."""
        return Box(self.x0 + dx, self.x1 + dx, self.y0 + dy, self.y1 + dy, self.z0 + dz, self.z1 + dz)


def penetration(a: Box, b: Box) -> float:
    """How deep two boxes are in each other in m, which is the shortest move that frees them; 0 or less: apart."""
    return min(min(a.x1, b.x1) - max(a.x0, b.x0), min(a.y1, b.y1) - max(a.y0, b.y0), min(a.z1, b.z1) - max(a.z0, b.z0))


def gap(a: Box, b: Box) -> float:
    """Straight distance between two boxes in m; 0 when they touch or overlap."""
    dx, dy, dz = max(0.0, a.x0 - b.x1, b.x0 - a.x1), max(0.0, a.y0 - b.y1, b.y0 - a.y1), max(0.0, a.z0 - b.z1, b.z0 - a.z1)
    return math.sqrt(dx * dx + dy * dy + dz * dz)


def above(a: Box, b: Box) -> bool:
    """Whether what drips from ``a`` reaches ``b``: a over b, their plans overlapping with a's grown by 0.10 m, and no floor between."""
    g = ABOVE_GROWN
    if b.z1 <= EPS and a.z0 >= -EPS:
        return False  # the floor is between
    return a.z0 >= b.z1 - ABOVE_LAP - EPS and min(a.x1 + g, b.x1) > max(a.x0 - g, b.x0) and min(a.y1 + g, b.y1) > max(a.y0 - g, b.y0)


class Checked(NamedTuple):
    """A box to be checked: clearances by face in m (rear, front, right, left, bottom, top), faces that look onto the aisle, and its bay."""

    id: str
    box: Box
    clearance: tuple[float, float, float, float, float, float] = (0.0,) * 6
    open_faces: frozenset[str] = frozenset()
    bay: Box | None = None
    in_shell: bool = True
    group: str = ""
    """Boxes of one group belong to one thing, or one stands in the other by design: no clash between them."""


class Clash(NamedTuple):
    """What a box meets: ``b`` is the other one, empty for bay and shell; ``depth_m`` is what is missing; ``face`` the face that is over."""

    kind: Kind
    a: str
    b: str
    depth_m: float
    face: str = ""


def _worst(pairs: Sequence[tuple[float, str]]) -> tuple[float, str]:
    return max(pairs, key=lambda p: p[0])


def out_of_box(box: Box, bay: Box) -> tuple[float, str]:
    """By how many m a box hangs out of another, and at which face."""
    return _worst(
        (
            (bay.x0 - box.x0, "rear"),
            (box.x1 - bay.x1, "front"),
            (bay.y0 - box.y0, "right"),
            (box.y1 - bay.y1, "left"),
            (bay.z0 - box.z0, "bottom"),
            (box.z1 - bay.z1, "top"),
        )
    )


def out_of_hull(box: Box, hull: Hull) -> tuple[float, str]:
    """By how many m a box leaves the tapered shell, and at which face."""
    z0, z1 = max(0.0, box.z0), max(0.0, box.z1)
    r = hull.over(box.x0, box.x1, z0, z1)
    return _worst(
        (
            (hull.first - box.x0, "rear"),
            (box.x1 - hull.last, "front"),
            (-box.y0 - r.right_m, "right"),
            (box.y1 - r.left_m, "left"),
            (-box.z0, "bottom"),
            (box.z1 - r.height_m, "top"),
        )
    )


def clashes(boxes: Sequence[Checked], obstacles: Sequence[tuple[str, Box]], hull: Hull | None, tolerance: float = OVER) -> list[Clash]:
    """All conflicts of boxes with their bays, the shell, obstacles and each other, in the method's order."""
    over = tolerance + EPS
    found: list[Clash] = []
    grown = [b.box.grown(b.clearance) for b in boxes]
    for b, g in zip(boxes, grown, strict=True):
        held = b.box.grown([0.0 if f in b.open_faces else c for f, c in zip(FACES, b.clearance, strict=True)]) if b.open_faces else g
        if b.bay is not None:
            o, face = out_of_box(b.box, b.bay)
            if o > over:
                found.append(Clash("bay", b.id, "", o, face))
            else:
                o, face = out_of_box(held, b.bay)
                if o > over:
                    found.append(Clash("bay_clearance", b.id, "", o, face))
        if hull is not None and b.in_shell:
            o, face = out_of_hull(b.box, hull)
            if o > over:
                found.append(Clash("shell", b.id, "", o, face))
            else:
                o, face = out_of_hull(held, hull)
                if o > over:
                    found.append(Clash("shell_clearance", b.id, "", o, face))
        for name, box in obstacles:
            p = penetration(b.box, box)
            if p > over:
                found.append(Clash("obstacle", b.id, name, p))
            elif (p := penetration(g, box)) > over:
                found.append(Clash("clearance", b.id, name, p))
    found += _pairs(boxes, grown, over)
    return sorted(found, key=lambda c: (ORDER.index(c.kind), c.a, c.b))


def _pairs(boxes: Sequence[Checked], grown: Sequence[Box], over: float) -> Iterable[Clash]:
    """Conflicts of boxes with each other; a sweep along x leaves out the pairs that are far apart."""
    order = sorted(range(len(boxes)), key=lambda i: grown[i].x0)
    live: list[int] = []
    for i in order:
        a, ga = boxes[i], grown[i]
        live = [j for j in live if grown[j].x1 > ga.x0]
        for j in live:
            b, gb = boxes[j], grown[j]
            if a.group and a.group == b.group:
                continue
            p = penetration(a.box, b.box)
            if p > over:
                first, second = sorted((a.id, b.id))
                yield Clash("overlap", first, second, p)
                continue
            if (p := penetration(ga, b.box)) > over:
                yield Clash("clearance", a.id, b.id, p)
            if (p := penetration(a.box, gb)) > over:
                yield Clash("clearance", b.id, a.id, p)
        live.append(i)


Span = Annotated[float, Field(ge=-50, le=50)]


class BoxIn(Contract):
    """A box in m; each upper side above its lower."""

    x0_m: Span
    x1_m: Span
    y0_m: Span
    y1_m: Span
    z0_m: Span
    z1_m: Span

    @model_validator(mode="after")
    def _upper(self) -> Self:
        rising_box(self)
        return self

    @property
    def box(self) -> Box:
        """As a plain box."""
        return Box(self.x0_m, self.x1_m, self.y0_m, self.y1_m, self.z0_m, self.z1_m)


class NamedBoxIn(BoxIn):
    id: str = Field(min_length=1, max_length=200)


class CheckedBoxIn(NamedBoxIn):
    clearance_m: dict[str, Annotated[float, Field(ge=0, le=5)]] = {}
    open_faces: list[str] = Field([], max_length=6)

    @model_validator(mode="after")
    def _faces(self) -> Self:
        for key, names in (("clearance_m", self.clearance_m), ("open_faces", self.open_faces)):
            for name in names:
                if name not in FACES:
                    raise wrong(key, says("not-face-faces", name=name, faces=", ".join(FACES)))
        return self


class BoxFitIn(Contract):
    boxes: list[CheckedBoxIn] = Field(min_length=1, max_length=500)
    obstacles: list[NamedBoxIn] = Field([], max_length=200)
    bay: BoxIn | None = None
    shell: ShellIn | None = None
    tolerance_m: float = Field(OVER, ge=0, le=0.05)

    @model_validator(mode="after")
    def _unique(self) -> Self:
        unique_ids(b.id for b in self.boxes)
        unique_ids(o.id for o in self.obstacles)
        return self


class ConflictOut(BaseModel):
    kind: str
    a: str
    b: str | None
    depth_m: float


RULE_OF: dict[Kind, str] = {
    "bay": "fit-outside-bay",
    "shell": "fit-outside-shell",
    "obstacle": "fit-obstacle",
    "overlap": "fit-overlap",
    "bay_clearance": "fit-clearance-blocked",
    "shell_clearance": "fit-clearance-blocked",
    "clearance": "fit-clearance-blocked",
}
"""What a conflict of a kind is called."""


class BoxFitOut(Outcome):
    fits: bool
    conflict_count: int
    conflicts: list[ConflictOut]
    finding_ids: list[str]


def box_fit(inp: BoxFitIn, sources: dict[str, Figure] | None = None) -> BoxFitOut:
    """Whether boxes stand free in their bay, the shell, between obstacles and of each other, with their clearances. Method: fit.boxes."""
    bay = inp.bay.box if inp.bay else None
    boxes = [
        Checked(b.id, b.box, tuple(b.clearance_m.get(f, 0.0) for f in FACES), frozenset(b.open_faces), bay)  # type: ignore[arg-type]
        for b in inp.boxes
    ]
    found = clashes(boxes, [(o.id, o.box) for o in inp.obstacles], Hull.of(inp.shell) if inp.shell else None, inp.tolerance_m)
    return BoxFitOut.of(
        fits=not found,
        conflict_count=derived("conflict_count", says("boxes-against-bay-shell"), len(found), Method("fit.boxes"), boxes=len(boxes)),
        conflicts=[ConflictOut(kind=c.kind, a=c.a, b=c.b or None, depth_m=c.depth_m) for c in found],
        finding_ids=sorted({RULE_OF[c.kind] for c in found}),
    )
