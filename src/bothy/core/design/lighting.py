"""Lighting zones and the places they are switched from."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import unique_ids, wrong
from bothy.core.design.base import By, Doc, Id, Name
from bothy.core.words.says import design_says as says

ZoneControl = Literal["one", "change_over", "latching"]


class SwitchPlace(Doc):
    """A place to switch from. ``wire_m`` is the way of the cable from the board, or from the place before it.

    ``door_distance_m`` is measured from the clear opening of the main door, ``height_m`` above the finished floor.
    """

    id: Id
    name: Name
    on_plate: bool = False
    by_bed: bool = False
    door_distance_m: float | None = Field(None, ge=0, le=30)
    height_m: float | None = Field(None, ge=0, le=4)
    wire_m: float | None = Field(None, ge=0, le=100)


class LightZone(Doc):
    """Lights that go on together. ``change_over`` joins two places by two strappers, ``latching`` any number by push-buttons and one relay."""

    id: Id
    name: Name
    lights: list[Id] = Field([], max_length=60)
    control: ZoneControl = "one"
    places: list[SwitchPlace] = Field([], max_length=8)
    lamp_wire_m: float | None = Field(None, ge=0, le=100)
    by: By = "typed"

    @model_validator(mode="after")
    def _places(self) -> Self:
        unique_ids(p.id for p in self.places)
        if self.control == "change_over" and len(self.places) > 2:
            raise wrong("places", says("zone-has-change-over", self_name=self.name, places_count=len(self.places)))
        if self.control == "one" and len(self.places) > 1:
            raise wrong("places", says("zone-has-one-plain", self_name=self.name, places_count=len(self.places)))
        return self
