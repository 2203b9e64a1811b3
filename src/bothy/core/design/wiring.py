"""Stage 5, Wiring: boards and circuits."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Whole, wrong
from bothy.core.design.base import By, Doc, Id, Name, Note
from bothy.core.wiring.conductors import Awg, Installation, Insulation
from bothy.core.wiring.drop import DropClass
from bothy.core.wiring.fuses import FamilyKey

CircuitKind = Literal["load", "ac", "inverter", "solar", "driving", "driving_in", "shore", "feeder", "main"]


class Board(Doc):
    """A fuse board. Its letter starts the code of its circuits."""

    id: Id
    name: Name
    letter: str = Field("A", pattern=r"^[A-Z]$")
    way_count: Whole = Field(12, ge=1, le=60)
    way_rating_a: float = Field(30, gt=0, le=500)
    total_rating_a: float = Field(100, gt=0, le=2000)
    side: Literal["dc", "ac"] = "dc"
    by: By = "typed"


class Circuit(Doc):
    """A protected feed: one cable, one protection, one or several appliances. ``length_m`` is one-way."""

    id: Id
    name: Name
    kind: CircuitKind = "load"
    board: Id | None = None
    appliances: list[Id] = Field([], max_length=60)
    length_m: float | None = Field(None, gt=0, le=100)
    area_mm2: float | None = Field(None, ge=0.5, le=120)
    awg: Awg | None = None
    parallel_count: Whole = Field(1, ge=1, le=4)
    tinned: bool = False
    insulation_temp_c: Insulation = 90
    installation: Installation = "conduit"
    bundled_count: Whole = Field(1, ge=1, le=60)
    covered_length_mm: float = Field(0, ge=0, le=100000)
    engine_space: bool = False
    return_path: Literal["cable", "chassis"] = "cable"
    drop_class: DropClass | None = None
    protection: Literal["fuse", "breaker", "none"] = "fuse"
    fuse_a: float | None = Field(None, gt=0, le=1000)
    fuse_family: FamilyKey | None = None
    by: By = "typed"
    note: Note = ""

    @model_validator(mode="after")
    def _one_size(self) -> Self:
        if self.area_mm2 is not None and self.awg is not None:
            raise wrong("awg", "give a size in mm² or in AWG, not both")
        return self


class Wiring(Doc):
    """All boards and circuits in the order of the schedule."""

    boards: list[Board] = Field([], max_length=20)
    circuits: list[Circuit] = Field([], max_length=1000)
