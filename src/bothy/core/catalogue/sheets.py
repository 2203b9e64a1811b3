"""Data sheets of the catalogue's parts, one typed form for each kind; keys and units are those of the design document."""

from __future__ import annotations

from typing import Any, Literal, NotRequired

from pydantic import ConfigDict, TypeAdapter
from typing_extensions import TypedDict

from bothy.core.power.chemistry import ChemistryKey

STRICT_KEYS = ConfigDict(extra="forbid", allow_inf_nan=False)


class Sheet(TypedDict):
    __pydantic_config__ = STRICT_KEYS  # type: ignore[misc]


class ApplianceSheet(Sheet):
    appliance_kind: str
    zone: str
    supply: Literal["dc", "converter", "ac"]
    power_w: NotRequired[float]
    energy_24h_wh: NotRequired[float]
    charge_energy_wh: NotRequired[float]
    charges_per_day: NotRequired[float]
    running_power_w: NotRequired[float]
    standby_w: NotRequired[float]
    duty_frac: NotRequired[float]
    hours_per_day: NotRequired[float]
    uses_per_day: NotRequired[float]
    minutes_per_use: NotRequired[float]
    coincidence_frac: NotRequired[float]
    start_multiple: NotRequired[float]
    min_voltage_v: NotRequired[float]
    max_fuse_a: NotRequired[float]
    internal_temp_c: NotRequired[float]
    electrical: NotRequired[str]
    ambient_dependent: NotRequired[bool]
    pure_sine: NotRequired[bool]
    winter: NotRequired[float]
    shoulder: NotRequired[float]
    summer: NotRequired[float]


class BatterySheet(Sheet):
    chemistry: ChemistryKey
    unit_voltage_v: float
    unit_charge_ah: float
    unit_max_discharge_a: NotRequired[float]
    unit_max_charge_a: NotRequired[float]
    cold_charge_cutoff: NotRequired[bool]
    heater_power_w: NotRequired[float]


class PanelSheet(Sheet):
    panel_power_w: float
    vmp_v: float
    imp_a: float
    voc_v: float
    isc_a: float
    power_coeff_per_k: NotRequired[float]
    voc_coeff_per_k: NotRequired[float]
    noct_c: NotRequired[float]
    max_series_fuse_a: NotRequired[float]
    mounting: NotRequired[Literal["roof_gap", "glued", "open_rack"]]


class ControllerSheet(Sheet):
    controller_type: Literal["mppt", "pwm"]
    max_voltage_v: float
    max_charge_current_a: float
    max_input_current_a: NotRequired[float]


class DrivingSheet(Sheet):
    rating_a: float
    school: Literal["dcdc", "relay", "second"]


class InverterSheet(Sheet):
    rating_w: float
    surge_power_w: float
    idle_w: float
    pure_sine: bool


class ChargerSheet(Sheet):
    charger_current_a: float


class CableSheet(Sheet):
    area_mm2: float


class FuseSheet(Sheet):
    family: str


class BoardSheet(Sheet):
    way_count: float
    way_rating_a: float
    total_rating_a: float


class StationSheet(Sheet):
    chemistry: ChemistryKey
    energy_wh: float
    usable_frac: float
    inverter_w: float
    inverter_surge_w: float
    inverter_efficiency_frac: float
    inverter_idle_w: float
    solar_w: float
    car_w: float
    shore_w: float
    dc_limit_w: float


class GeneratorSheet(Sheet):
    rating_w: float


class HeaterSheet(Sheet):
    heater_kind: Literal["air", "combined", "coolant", "electric", "stove"]
    fuel: Literal["diesel", "electric", "petrol", "propane", "wood"]
    max_w: float
    min_w: float
    efficiency_frac: float
    run_min_w: float
    run_max_w: float
    start_energy_wh: float
    outlet_count: NotRequired[float]
    air_flow_m3_h: NotRequired[float]
    fan_pressure_pa: NotRequired[float]


class CoolerSheet(Sheet):
    capacity_w: float
    eer: float
    volts: float
    compressor: Literal["fixed", "variable"]
    fan_power_w: float
    hose_flow_m3_h: NotRequired[float]


PartKind = Literal[
    "appliance", "battery", "panel", "controller", "dcdc", "inverter", "charger", "cable", "fuse", "board", "station", "generator", "heater", "cooler"
]
SHEETS: dict[PartKind, TypeAdapter[Any]] = {
    "appliance": TypeAdapter(ApplianceSheet),
    "battery": TypeAdapter(BatterySheet),
    "panel": TypeAdapter(PanelSheet),
    "controller": TypeAdapter(ControllerSheet),
    "dcdc": TypeAdapter(DrivingSheet),
    "inverter": TypeAdapter(InverterSheet),
    "charger": TypeAdapter(ChargerSheet),
    "cable": TypeAdapter(CableSheet),
    "fuse": TypeAdapter(FuseSheet),
    "board": TypeAdapter(BoardSheet),
    "station": TypeAdapter(StationSheet),
    "generator": TypeAdapter(GeneratorSheet),
    "heater": TypeAdapter(HeaterSheet),
    "cooler": TypeAdapter(CoolerSheet),
}
"""What the data of each kind must be."""
