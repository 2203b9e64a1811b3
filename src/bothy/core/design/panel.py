"""The switch panel: one plate with switches, dimmers, gauges and sockets, each bound to a circuit."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import unique_ids
from bothy.core.design.base import By, Doc, Id

PanelKind = Literal["rocker", "round_rocker", "push", "socket", "voltmeter", "gauge", "dimmer", "fan_control", "display"]


class PanelThing(Doc):
    """One thing on the plate. ``x_mm`` and ``y_mm`` are its middle, from the plate's lower left corner.

    ``relay``: it works a relay by the load over a fused 1 A wire, so that the load's current does not pass it.
    """

    id: Id
    kind: PanelKind
    label: str = Field("", max_length=40)
    circuit: Id | None = None
    x_mm: float = Field(ge=0, le=2000)
    y_mm: float = Field(ge=0, le=2000)
    rating_a: float | None = Field(None, ge=0.01, le=200)
    relay: bool = False


class Panel(Doc):
    """The plate and what is on it; ``depth_mm`` is what is free behind it.

    ``door_distance_m`` is from the clear opening of the main door, ``floor_height_m`` from the finished floor to the plate's middle.
    """

    width_mm: float = Field(240, ge=30, le=2000)
    height_mm: float = Field(120, ge=30, le=2000)
    depth_mm: float | None = Field(None, ge=5, le=1000)
    door_distance_m: float | None = Field(None, ge=0, le=30)
    floor_height_m: float | None = Field(None, ge=0, le=4)
    by_bed: bool = False
    things: list[PanelThing] = Field([], max_length=120)
    by: By = "typed"

    @model_validator(mode="after")
    def _ids(self) -> Self:
        unique_ids(t.id for t in self.things)
        return self
