"""Raceways: the ways cables take, what lies beside them, and the signal cables in them."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Whole, wrong
from bothy.core.design.base import By, Doc, Id, Name, Note
from bothy.core.words.says import design_says as says

RacewayKind = Literal["conduit", "trunking", "open"]
SignalKind = Literal["display", "ethernet", "hdmi", "usb", "can", "coax", "sensor", "shunt"]


class Signal(Doc):
    """Signal cables of one kind in a raceway; ``gap_mm`` is what is between them and the power cables, none said counts as touching."""

    kind: SignalKind
    count: Whole = Field(1, ge=1, le=40)
    screened: bool = False
    gap_mm: float | None = Field(None, ge=0, le=5000)


class Raceway(Doc):
    """A pipe, a trunking or an open row of clips. A pipe has an inside diameter, a trunking a width and a height.

    ``partition`` parts mains from low voltage (or all insulation in it suits the mains). ``gas_distance_mm`` and ``flue_distance_mm``
    are the least distance to a gas pipe beside it, and to a flame or flue; None where there is none.
    """

    id: Id
    name: Name
    kind: RacewayKind = "conduit"
    inner_diameter_mm: float | None = Field(None, ge=3, le=300)
    width_mm: float | None = Field(None, ge=5, le=600)
    height_mm: float | None = Field(None, ge=5, le=600)
    length_m: float | None = Field(None, ge=0.01, le=100)
    upright: bool = False
    partition: bool = False
    clip_spacing_mm: float | None = Field(None, ge=0.1, le=5000)
    metal_holes_count: Whole = Field(0, ge=0, le=60)
    grommets_count: Whole = Field(0, ge=0, le=60)
    gas_distance_mm: float | None = Field(None, ge=0, le=5000)
    in_gas_locker: bool = False
    flue_distance_mm: float | None = Field(None, ge=0, le=5000)
    signals: list[Signal] = Field([], max_length=20)
    by: By = "typed"
    note: Note = ""

    @model_validator(mode="after")
    def _shape(self) -> Self:
        if self.kind != "trunking" and (self.width_mm is not None or self.height_mm is not None):
            raise wrong("width_mm", says("goes-with-trunking-only"))
        if self.kind != "conduit" and self.inner_diameter_mm is not None:
            raise wrong("inner_diameter_mm", says("goes-with-pipe-only"))
        return self

    @property
    def sized(self) -> bool:
        """Whether its inside is known, so that its fill can be reckoned."""
        return self.inner_diameter_mm is not None or (self.width_mm is not None and self.height_mm is not None)
