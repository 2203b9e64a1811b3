"""What the design document says of openings in the sides, the rear and the floor, and of what lies in those walls (the method of roof, cut-outs)."""

from __future__ import annotations

from typing import Annotated, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from bothy.core.contract import unique_ids, wrong
from bothy.core.design.base import By, Doc, Id, Name
from bothy.core.words.says import design_says as says

Face = Literal["left", "right", "rear", "floor"]
SideKey = Annotated[str, StringConstraints(pattern=r"^[a-z]{2,10}:[a-z0-9][a-z0-9_-]{0,59}$")]
"""An opening: ``window:galley-1`` a window of Heat and air, ``air:…`` one of its vents, ``flue:…``, ``intake:…`` and ``fuel:…`` of a heater, ``inlet:shore``,
``filler:…`` and ``drain:…`` of a tank, ``drop:…`` a vent of the gas locker, ``hole:…`` one of this list."""
Along = Annotated[float, Field(ge=-6, le=25)]
Up = Annotated[float, Field(ge=-3, le=5)]
MemberKind = Literal["pillar", "rail", "cross_member", "chassis_rail", "belt_anchorage", "airbag", "loom", "fuel_line", "brake_line", "tank", "other"]
OwnHoleKind = Literal["window", "vent", "inlet", "filler", "flue", "intake", "drain", "drop_vent", "cable", "other"]


class Member(Doc):
    """What lies in or under a face where no hole may come. Sides: ``u`` along the vehicle from the rear-most inside face, ``v`` over the finished floor;
    rear: ``u`` left of the centre line; floor: ``v`` left of the centre line. m."""

    id: Id
    name: Name = "Pillar"
    face: Face
    kind: MemberKind = "pillar"
    u0_m: Along
    u1_m: Along
    v0_m: Up
    v1_m: Up

    @model_validator(mode="after")
    def _rises(self) -> Self:
        for axis in "uv":
            if getattr(self, f"{axis}1_m") <= getattr(self, f"{axis}0_m"):
                raise wrong(f"{axis}1_m", says("must-be-above", axis=axis, getattr_m=getattr(self, f"{axis}0_m")))
        return self


class OwnHole(Doc):
    """An opening that no other stage knows."""

    id: Id
    name: Name
    kind: OwnHoleKind = "other"


class SideCut(Doc):
    """An opening set out: the middle of its cut on its face in m (as in :class:`Member`), size from the part in hand in mm, corner radius, what its clamp
    takes. ``framed``: a frame carries the cut to the next members; ``kept``: it is there already; ``measured``: taken from the part in hand."""

    of: SideKey
    face: Face
    u_m: Along
    v_m: Up
    length_mm: float = Field(ge=4, le=3000)
    height_mm: float = Field(ge=4, le=3000)
    radius_mm: float = Field(0, ge=0, le=1500)
    clamp_min_mm: float | None = Field(None, ge=0, le=300)
    clamp_max_mm: float | None = Field(None, ge=0, le=300)
    measured: bool = False
    framed: bool = False
    kept: bool = False
    by: By = "typed"

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if 2 * self.radius_mm > min(self.length_mm, self.height_mm) + 0.01:
            raise wrong("radius_mm", says("two-corners-dont-go", radius_mm=self.radius_mm, length_mm=min(self.length_mm, self.height_mm)))
        if self.clamp_min_mm is not None and self.clamp_max_mm is not None and self.clamp_max_mm < self.clamp_min_mm:
            raise wrong("clamp_max_mm", says("must-be-at-least", clamp_min_mm=self.clamp_min_mm))
        return self


class Sides(Doc):
    """Openings of sides, rear and floor. ``members`` None: nobody looked; the pillars are taken to stand under the ribs of the roof.
    ``floor_looked``: somebody lay under the vehicle and entered what is there."""

    members: list[Member] | None = Field(None, max_length=120)
    own: list[OwnHole] = Field([], max_length=60)
    cuts: list[SideCut] = Field([], max_length=120)
    floor_looked: bool = False

    @model_validator(mode="after")
    def _links(self) -> Self:
        unique_ids(x.id for x in self.members or [])
        unique_ids(x.id for x in self.own)
        seen: set[str] = set()
        for c in self.cuts:
            if c.of in seen:
                raise wrong("of", says("set-out-twice-opening", of=c.of))
            seen.add(c.of)
        return self
