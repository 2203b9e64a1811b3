"""What a search for the parts may use: goal, limits, makers, and parts of the person's own."""

from __future__ import annotations

from typing import Annotated, Any, Literal, Self

from pydantic import Field, model_validator

from bothy.core.catalogue.parts import Part
from bothy.core.contract import Whole, wrong
from bothy.core.design.base import Doc, Id, Name
from bothy.core.power.chemistry import ChemistryKey, SystemVoltage
from bothy.core.power.solar import ControllerType, Mounting
from bothy.core.words.says import design_says as says

OwnKind = Literal["battery", "panel", "controller", "dcdc"]
NEEDED: dict[OwnKind, tuple[str, ...]] = {
    "battery": ("chemistry", "unit_voltage_v", "unit_charge_ah"),
    "panel": ("panel_power_w", "vmp_v", "imp_a", "voc_v", "isc_a", "length_mm", "width_mm"),
    "controller": ("controller_type", "max_voltage_v", "max_charge_current_a"),
    "dcdc": ("rating_a",),
}
"""What must be said of a part of each kind."""
DATA: dict[OwnKind, tuple[str, ...]] = {
    "battery": ("chemistry", "unit_voltage_v", "unit_charge_ah", "unit_max_discharge_a", "unit_max_charge_a", "cold_charge_cutoff", "heater_power_w"),
    "panel": ("panel_power_w", "vmp_v", "imp_a", "voc_v", "isc_a", "power_coeff_per_k", "voc_coeff_per_k", "noct_c", "mounting"),
    "controller": ("controller_type", "max_voltage_v", "max_charge_current_a"),
    "dcdc": ("rating_a",),
}
"""What of a part goes into the design."""


class OwnPart(Doc):
    """A part that is not in the catalogue, from its data sheet: price in the currency of the region, mass in kg, size in mm."""

    id: Id
    kind: OwnKind
    name: Name
    price: float = Field(ge=0, le=1e6)
    mass_kg: float = Field(ge=0, le=2000)
    length_mm: float | None = Field(None, ge=0.1, le=10000)
    width_mm: float | None = Field(None, ge=0.1, le=10000)
    chemistry: ChemistryKey | None = None
    unit_voltage_v: float | None = Field(None, ge=1, le=60)
    unit_charge_ah: float | None = Field(None, ge=0.1, le=2000)
    unit_max_discharge_a: float | None = Field(None, ge=0.01, le=2000)
    unit_max_charge_a: float | None = Field(None, ge=0.01, le=2000)
    cold_charge_cutoff: bool = False
    heater_power_w: float = Field(0, ge=0, le=2000)
    panel_power_w: float | None = Field(None, ge=0.1, le=1000)
    vmp_v: float | None = Field(None, ge=0.1, le=200)
    imp_a: float | None = Field(None, ge=0.01, le=50)
    voc_v: float | None = Field(None, ge=0.1, le=200)
    isc_a: float | None = Field(None, ge=0.01, le=50)
    power_coeff_per_k: float = Field(-0.0038, ge=-0.01, le=0)
    voc_coeff_per_k: float = Field(-0.0030, ge=-0.01, le=0)
    noct_c: float = Field(45, ge=30, le=70)
    mounting: Mounting = "roof_gap"
    controller_type: ControllerType | None = None
    max_voltage_v: float | None = Field(None, ge=1, le=600)
    max_charge_current_a: float | None = Field(None, ge=0.01, le=300)
    rating_a: float | None = Field(None, ge=0.01, le=300)

    @model_validator(mode="after")
    def _complete(self) -> Self:
        for key in NEEDED[self.kind]:
            if getattr(self, key) is None:
                raise wrong(key, says("missing-for-stands-on", kind=self.kind, self_name=self.name))
        if self.kind == "panel" and (self.vmp_v or 0) >= (self.voc_v or 0):
            raise wrong("vmp_v", says("must-be-below-open"))
        if self.kind == "panel" and (self.imp_a or 0) >= (self.isc_a or 0):
            raise wrong("imp_a", says("must-be-below-short"))
        return self

    def part(self) -> Part:
        """The same as a part of the catalogue."""
        data: dict[str, Any] = {k: v for k in DATA[self.kind] if (v := getattr(self, k)) is not None}
        if self.kind == "dcdc":
            data["school"] = "dcdc"
        return Part(
            key=f"own-{self.id}",
            kind=self.kind,
            maker="own",
            name=self.name,
            mass_kg=self.mass_kg,
            price=self.price,
            length_mm=self.length_mm or 0,
            width_mm=self.width_mm or 0,
            height_mm=0,
            data=data,
        )


class Sizing(Doc):
    """What the search is to find, and within what. None: the vehicle's roof and payload, no limit of money; empty lists: all."""

    goal: Literal["cost", "mass", "reliability"] = "cost"
    budget: float | None = Field(None, ge=0, le=1e6)
    mass_most_kg: float | None = Field(None, ge=0, le=20000)
    roof_m2: float | None = Field(None, ge=0, le=60)
    panels_most: Whole = Field(8, ge=0, le=24)
    voltages: list[SystemVoltage] = Field([], max_length=3)
    chemistries: list[ChemistryKey] = Field([], max_length=10)
    makers: list[Annotated[str, Field(max_length=120)]] = Field([], max_length=40)
    own: list[OwnPart] = Field([], max_length=40)
    own_only: bool = False
