"""The part of the report on openings of sides, rear and floor."""

from __future__ import annotations

from pydantic import BaseModel

Four = list[float]
"""u0, u1, v0, v1 in m."""


class BarPart(BaseModel):
    id: str
    name: str
    kind: str
    rect: Four
    assumed: bool


class FacePart(BaseModel):
    """A face with its doors and what lies in it. ``behind``: things that stand close behind it, by name; ``front_left``: seen from outside the front (of the
    rear: the left side) is on the left."""

    id: str
    name: str
    rect: Four
    doors: list[BarPart]
    bars: list[BarPart]
    behind: list[BarPart]
    thick_mm: float
    looked: bool
    front_left: bool


class SideThingPart(BaseModel):
    """An opening: the face and size it has or usually has, where the middle of its cut lies (not set out: where it could
    begin), and the two numbers and sentences that its template is laid by."""

    key: str
    name: str
    kind: str
    face: str
    why: str
    set_out: bool
    u_m: float
    v_m: float
    length_mm: float
    height_mm: float
    radius_mm: float
    clamp_min_mm: float | None
    clamp_max_mm: float | None
    measured: bool
    framed: bool
    kept: bool
    rect: Four | None
    laid_by: list[str]


class SideStep(BaseModel):
    title: str
    text: str


class SidesPart(BaseModel):
    """All openings, and the order of work at each: of sides and rear, and of the floor."""

    faces: list[FacePart]
    things: list[SideThingPart]
    set_out: int
    work: list[SideStep]
    floor_work: list[SideStep]
