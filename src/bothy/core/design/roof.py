"""What the design document says of the roof: its shape, what lies where on it, how it is held, and when it is bonded (the method of roof)."""

from __future__ import annotations

import datetime as dt
from typing import Annotated, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from bothy.core.contract import Whole, unique_ids, wrong
from bothy.core.design.base import By, Doc, Id, Name
from bothy.core.words.says import design_says as says

RoofKey = Annotated[str, StringConstraints(pattern=r"^[a-z]{2,10}:[a-z0-9][a-z0-9_-]{0,59}$")]
"""A thing on the roof: ``panel:roof-1`` is the first panel of the array ``roof``, ``light:sky-1`` the first of an opening of Warmth, ``vent:…`` one of its
vents, ``fan:…`` a fan of Daily use, ``cooler:unit`` the air conditioner, ``roof:…`` one of this list."""
Along = Annotated[float, Field(ge=-6, le=25)]
Across = Annotated[float, Field(ge=-3, le=3)]
OwnRoofKind = Literal["hatch", "aerial", "gland", "rail", "box", "walkway", "air_conditioner", "vent", "other"]
BelowKind = Literal["bow", "loom", "airbag", "lining_wiring", "other"]
HeldBy = Literal["profiles", "corner_feet", "perimeter", "bolts", "clamped"]
AdhesiveKey = Literal["hybrid", "polyurethane", "silicone", "epoxy", "butyl_tape", "foam_tape"]
SurfaceState = Literal["sound_paint", "bare_primed", "gel_coat", "aluminium", "loose_paint", "rust", "silicone_residue", "polyethylene"]


class RoofRib(Doc):
    """A raised rib across the roof, from ``x0_m`` to ``x1_m``; its height in mm."""

    id: Id
    x0_m: Along
    x1_m: Along
    height_mm: float = Field(12, ge=0, le=60)

    @model_validator(mode="after")
    def _rises(self) -> Self:
        if self.x1_m <= self.x0_m:
            raise wrong("x1_m", says("must-be-ahead", x0_m=self.x0_m))
        return self


class Below(Doc):
    """What lies under the skin where no hole may come: a bow, a loom, a curtain airbag. m on the roof."""

    id: Id
    name: Name = "Bow"
    kind: BelowKind = "bow"
    x0_m: Along
    x1_m: Along
    y0_m: Across
    y1_m: Across

    @model_validator(mode="after")
    def _rises(self) -> Self:
        for axis in "xy":
            if getattr(self, f"{axis}1_m") <= getattr(self, f"{axis}0_m"):
                raise wrong(f"{axis}1_m", says("must-be-above", axis=axis, getattr_m=getattr(self, f"{axis}0_m")))
        return self


class RoofOwn(Doc):
    """Something on the roof that no other stage knows: a hatch, an aerial, a gland, rails, a box, a strip to walk on. m, kg."""

    id: Id
    name: Name
    kind: OwnRoofKind = "other"
    length_m: float = Field(ge=0.02, le=12)
    width_m: float = Field(ge=0.02, le=4)
    height_m: float = Field(0.05, ge=0, le=2)
    mass_kg: float = Field(0, ge=0, le=500)
    by: By = "typed"


class Spot(Doc):
    """Where a thing lies on the roof: its least corner in m, turned by a quarter or not, and how it is held.

    ``gap_m``: air under a panel. ``front_closed``: a fairing or a bead closes its leading edge. ``bead_m``: bonded length, None: what the way of holding
    gives. ``kept``: it is there already, and nothing is cut. ``framed``: a frame carries the cut to the next bows."""

    of: RoofKey
    x_m: Along
    y_m: Across
    turned: bool = False
    held: HeldBy | None = None
    gap_m: float | None = Field(None, ge=0, le=0.3)
    front_closed: bool = False
    bead_m: float | None = Field(None, ge=0, le=100)
    bolts: Whole = Field(0, ge=0, le=60)
    kept: bool = False
    framed: bool = False
    by: By = "typed"


class CutDoc(Doc):
    """The cut-out of a thing and what it is clamped with, from the part in hand, mm. ``measured``: taken from it, not from its kind."""

    of: RoofKey
    length_mm: float = Field(ge=5, le=3000)
    width_mm: float = Field(ge=5, le=3000)
    radius_mm: float = Field(0, ge=0, le=500)
    clamp_min_mm: float | None = Field(None, ge=0, le=300)
    clamp_max_mm: float | None = Field(None, ge=0, le=300)
    gasket_mm: float | None = Field(None, ge=3, le=100)
    measured: bool = True

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if 2 * self.radius_mm > min(self.length_mm, self.width_mm):
            raise wrong("radius_mm", says("two-corners-dont-go", radius_mm=self.radius_mm, length_mm=min(self.length_mm, self.width_mm)))
        if self.clamp_min_mm is not None and self.clamp_max_mm is not None and self.clamp_max_mm < self.clamp_min_mm:
            raise wrong("clamp_max_mm", says("must-be-at-least", clamp_min_mm=self.clamp_min_mm))
        return self


class Bonding(Doc):
    """What is bonded with, on which day and under which sky. ``temp_c`` and ``humidity_frac`` stand for a heated hall; None: the normals of the place.

    ``speed_kmh`` is the fastest that is driven, ``headwind_m_s`` the gust on top."""

    adhesive: AdhesiveKey = "hybrid"
    surface: SurfaceState | None = None
    bead_width_mm: float = Field(12, ge=3, le=60)
    bead_thickness_mm: float = Field(3, ge=0.2, le=20)
    safety_factor: float = Field(10, ge=1, le=50)
    law: Literal["sqrt", "linear"] = "sqrt"
    speed_kmh: float = Field(110, ge=20, le=200)
    headwind_m_s: float = Field(15, ge=0, le=60)
    day: str | None = Field(None, max_length=10)
    hour: Whole = Field(10, ge=0, le=23)
    drive_day: str | None = Field(None, max_length=10)
    temp_c: float | None = Field(None, ge=-30, le=60)
    humidity_frac: float | None = Field(None, ge=0.02, le=1)

    @model_validator(mode="after")
    def _days(self) -> Self:
        for key in ("day", "drive_day"):
            text = getattr(self, key)
            if text is not None:
                try:
                    dt.date.fromisoformat(text)
                except ValueError:
                    raise wrong(key, says("not-write-like", text=text)) from None
        return self


class Roof(Doc):
    """The roof from outside: its rectangle in m, crown and ribs; None: usual of the kind of vehicle. ``lining_mm`` None: from the build-up of Warmth."""

    x0_m: Along | None = None
    x1_m: Along | None = None
    width_m: float | None = Field(None, ge=0.4, le=4)
    crown_mm: float | None = Field(None, ge=0, le=400)
    skin_mm: float | None = Field(None, ge=0.3, le=60)
    lining_mm: float | None = Field(None, ge=0, le=300)
    ribs: list[RoofRib] | None = Field(None, max_length=40)
    below: list[Below] = Field([], max_length=60)
    own: list[RoofOwn] = Field([], max_length=40)
    spots: list[Spot] = Field([], max_length=160)
    cuts: list[CutDoc] = Field([], max_length=60)
    bonding: Bonding = Bonding()

    @model_validator(mode="after")
    def _links(self) -> Self:
        if self.x0_m is not None and self.x1_m is not None and self.x1_m <= self.x0_m + 0.3:
            raise wrong("x1_m", says("must-be-at-least-ahead", x0_m=self.x0_m))
        if self.width_m is not None and self.crown_mm is not None and self.crown_mm / 1000 > self.width_m / 2:
            raise wrong("crown_mm", says("more-than-half-width", width_m=self.width_m))
        for items in (self.ribs or [], self.below, self.own):
            unique_ids(x.id for x in items)
        for rows in (self.spots, self.cuts):
            seen: set[str] = set()
            for r in rows:
                if r.of in seen:
                    raise wrong("of", says("there-twice-thing-lies", of=r.of))
                seen.add(r.of)
        return self

    def spot(self, of: str) -> Spot | None:
        """Where a thing lies, if it does."""
        return next((s for s in self.spots if s.of == of), None)
