"""Fit's part of the report: the body to draw, things and where they stand, ways, what crosses each wall, the way out, and the weights."""

from __future__ import annotations

from pydantic import BaseModel

BoxOut = list[float]
"""x0, x1, y0, y1, z0, z1 in m."""


class ObstaclePart(BaseModel):
    id: str
    name: str
    kind: str
    box: BoxOut


class DoorPart(BaseModel):
    """A door: ``a`` and ``b`` along its wall (x of a side, y of the rear), clear width and height, m."""

    id: str
    name: str
    side: str
    a: float
    b: float
    width: float
    height: float
    sill: float


class StationPart(BaseModel):
    x: float
    left: list[float]
    right: list[float]
    height: float


class RoomPart(BaseModel):
    """Room that a slide-out or a raised roof adds, from inside the body out to its far face."""

    name: str
    box: BoxOut


class BodyPart(BaseModel):
    """The finished inside, m; ``measured``: by stations, not a profile."""

    measured: bool
    levels: list[float]
    stations: list[StationPart]
    length: float
    half: float
    height: float
    bare: list[float]
    linings: dict[str, float]
    obstacles: list[ObstaclePart]
    doors: list[DoorPart]
    rear_x: float | None
    front_x: float | None
    second_x: float | None
    coupling_x: float | None
    track: float
    floor: float
    cab: bool
    kind: str
    assumed: list[str]
    rooms: list[RoomPart]


class ThingPart(BaseModel):
    """A thing: size upright, mass, clearances (rear, front, right, left, bottom, top), and where it stands; ``box`` None: not placed yet; ``open_box``
    where it is while the vehicle stands open, None: in the same place."""

    key: str
    name: str
    what: str
    size: list[float]
    mass_kg: float
    contents_kg: float
    group: str
    clearance: BoxOut
    why: str
    up: list[str]
    size_from: str
    mass_from: str
    small: bool
    on_roof: bool
    hollow: bool
    kind: str
    box: BoxOut | None
    open_box: BoxOut | None
    clear: BoxOut | None
    inside: str


class ClashPart(BaseModel):
    kind: str
    a: str
    b: str
    depth_m: float
    face: str


class RoutePart(BaseModel):
    """A run: its length along the way, the typed one, and its line for the drawing (a list of lines, one to each end)."""

    id: str
    name: str
    service: str
    a: str
    b: list[str]
    length_m: float | None
    typed_m: float | None
    kept: bool
    missing: list[str]
    bends: int
    holes: int
    rise_m: float
    tags: list[str]
    lines: list[list[list[float]]]
    why: str


class CrossingPart(BaseModel):
    """A run behind a wall: where it enters, turns and leaves, m from the rear end and from the floor (of floor and ceiling: from the centre line)."""

    run: str
    name: str
    service: str
    enters: list[float]
    turns: list[list[float]]
    """Where it bends in between, in order: a screw is kept off the stretch as it lies, not off the straight line between its ends."""
    leaves: list[float]
    tested: bool | None


class WallPart(BaseModel):
    id: str
    name: str
    rows: list[CrossingPart]


class EdgePart(BaseModel):
    id: str
    name: str
    layer: str
    a: list[float]
    b: list[float]
    runs: int


class OutPart(BaseModel):
    key: str
    door: str | None
    finished: str | None
    blocking: list[str]
    spare_m: float | None


class UsualSignalPart(BaseModel):
    """A signal cable that such a design usually has, and this one hasn't yet."""

    name: str
    kind: str
    a: str
    b: str
    screened: bool


class ConduitPart(BaseModel):
    """A conduit of the ways in its fullest piece; shares of its inside."""

    way: str
    inside_mm: float
    cable_count: int
    fill_frac: float
    limit_frac: float
    ok: bool


class KiloPart(BaseModel):
    key: str
    name: str
    kg: float
    x: float
    y: float
    z: float
    group: str
    counted: str
    placed: bool


class LoadingPart(BaseModel):
    """A loading, kg; axles None for a boat; nose for a trailer."""

    id: str
    name: str
    factors: dict[str, float]
    gross_kg: float
    front_kg: float | None
    rear_kg: float | None
    left_kg: float | None
    right_kg: float | None
    nose_kg: float | None
    nose_frac: float | None
    shift_kg_m: float | None
    cg_x: float | None
    cg_y: float | None
    cg_height: float | None
    stability: float | None
    payload_left_kg: float | None
    sinkage_mm: float | None


class WeighedPart(BaseModel):
    id: str
    name: str
    front_kg: float
    rear_kg: float
    model_front_kg: float
    model_rear_kg: float
    lump_kg: float
    lump_x: float | None
    lump_y: float | None
    booked: bool


class WeightPart(BaseModel):
    rows: list[KiloPart]
    loadings: list[LoadingPart]
    worst: str
    weighed: list[WeighedPart]
    gross_limit_kg: float | None
    front_limit_kg: float | None
    rear_limit_kg: float | None
    roof_limit_kg: float | None
    roof_kg: float
    nose_range: list[float] | None


class PiecePart(BaseModel):
    """A usual piece of furniture, cut to the body."""

    kind: str
    name: str
    length_m: float
    width_m: float
    height_m: float
    mass_kg: float


class FitPart(BaseModel):
    """All of Fit."""

    begun: bool
    body: BodyPart
    things: list[ThingPart]
    placed: int
    clashes: list[ClashPart]
    routes: list[RoutePart]
    edges: list[EdgePart]
    walls: list[WallPart]
    out: list[OutPart]
    weight: WeightPart
    cable_m: float
    usual_signals: list[UsualSignalPart]
    conduits: list[ConduitPart]
    furniture: list[PiecePart]
