"""The roof's part of the report: its shape, what lies where, how it is held, shade, cure, and what to buy."""

from __future__ import annotations

from pydantic import BaseModel

Four = list[float]
"""x0, x1, y0, y1 in m."""


class RibPart(BaseModel):
    id: str
    x0: float
    x1: float
    height_mm: float


class BelowPart(BaseModel):
    id: str
    name: str
    kind: str
    rect: Four


class RoofShapePart(BaseModel):
    """The roof: rectangle and crown in m, its radius (None: flat), ribs, thickness in mm; ``assumed``: what nobody measured."""

    rect: Four
    crown_m: float
    radius_m: float | None
    ribs: list[RibPart]
    below: list[BelowPart]
    skin_mm: float
    thick_mm: float
    material: str
    assumed: list[str]


class CutPart(BaseModel):
    """A cut-out: mm along and across the vehicle, corner radius, where it lies in m, and the two numbers it is laid by."""

    length_mm: float
    width_mm: float
    radius_mm: float
    clamp_min_mm: float | None
    clamp_max_mm: float | None
    gasket_mm: float | None
    measured: bool
    hole: Four | None
    to_centre_mm: float | None
    rib: str | None
    to_rib_mm: float | None
    seal_m: float


class HeldPart(BaseModel):
    """How it is held: N of wind, lines of adhesive to draw, mm² asked for and there, the part of its strength that is used."""

    by: str
    mount: str
    uplift_n: float
    drag_n: float
    bead_m: float
    need_mm2: float | None
    have_mm2: float
    bolts: int
    used: float | None
    least_mm: float
    lines: list[list[list[float]]]


class RoofThingPart(BaseModel):
    """Something on the roof: size as it lies unturned, m; its rectangle, None: not laid out; packing under its right and left feet."""

    key: str
    name: str
    kind: str
    size: list[float]
    mass_kg: float
    of: str | None
    array: str | None
    rect: Four | None
    turned: bool
    kept: bool
    framed: bool
    held_by: str
    top_m: float
    gap_m: float
    packing_mm: list[float] | None
    shaded: float | None
    cut: CutPart | None
    held: HeldPart | None


class CurePart(BaseModel):
    """When it may be driven: hours after the bead is laid, the day and hour of it where a day is entered, minutes until it skins, hours in which a bead may
    be laid; hours until it is driven for each month at the place (None: not within three weeks)."""

    product: str
    use: str
    known: str
    temp_c: float
    humidity_frac: float
    path_mm: float
    drive_h: float | None
    drive_at: str | None
    skin_min: float | None
    good: list[list[int]]
    cold_h: float
    hot_h: float
    months: list[float | None]
    surface: str


class AmountPart(BaseModel):
    key: str
    name: str
    amount: float
    unit: str
    packs: int
    pack: str
    why: str


class StepPart(BaseModel):
    title: str
    text: str


class RoofPart(BaseModel):
    """All of the roof."""

    begun: bool
    shape: RoofShapePart
    things: list[RoofThingPart]
    laid: int
    shade: dict[str, list[float]]
    """Array -> the part of the direct light that it loses in each hour of the sun's clock."""
    shade_month: int
    sun: list[list[float]]
    """Hour of the sun's clock, elevation and azimuth in ° on the mean day of that month, while it is up."""
    cure: CurePart
    amounts: list[AmountPart]
    work: list[StepPart]
    packs: bool
    roof_kg: float
