"""Stage 1, Vehicle: what we are working with (its shell stands in design/warmth, its rooms in design/fit)."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BeforeValidator, Field

from bothy.core.contract import whole
from bothy.core.design.base import Doc, Note

Preset = Literal["small_van", "panel_van", "long_high_van", "minibus", "bus", "truck_body", "trailer", "truck_camper", "boat"]
BankPlace = Literal["warm_inside", "unheated_inside", "garage", "underfloor", "engine_space"]
Hull = Literal["grp", "wood", "steel", "aluminium"]
VehicleVoltage = Annotated[Literal[12, 24], BeforeValidator(whole)]


class Vehicle(Doc):
    """Basics of the vehicle. Lengths in m, masses in kg; None means: take the preset's value. ``hull`` is what a boat is made of."""

    preset: Preset = "panel_van"
    description: Note = ""
    inside_length_m: float | None = Field(None, ge=1, le=25)
    inside_width_m: float | None = Field(None, ge=0.5, le=5)
    inside_height_m: float | None = Field(None, ge=0.5, le=5)
    payload_kg: float | None = Field(None, ge=0, le=20000)
    bank_place: BankPlace | None = None
    vehicle_voltage_v: VehicleVoltage | None = None
    alternator_rated_a: float | None = Field(None, ge=0, le=1000)
    smart_alternator: bool | None = None
    starter_trickle: bool = False
    hull: Hull | None = None
