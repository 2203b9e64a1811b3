"""State of charge from the voltage of a rested bank (method power.rest-voltage)."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, given
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.power.chemistry import CHEMISTRIES, REST_V, ChemistryKey, SystemVoltage, interpolate
from bothy.core.words.says import power_says as says

REST_H: dict[str, float] = {"lifepo4": 1.0, "nmc": 1.0, "agm": 4.0, "gel": 4.0, "flooded": 4.0}
SPREAD_V: dict[str, float] = {"lifepo4": 0.008, "nmc": 0.005, "agm": 0.003, "gel": 0.003, "flooded": 0.003}
"""Spread of the rest voltage per cell by hysteresis and make."""
METER_V = 0.02
GOOD_BAND, STILL_C = 0.15, 0.01


class SocFromVoltageIn(Contract):
    chemistry: ChemistryKey
    voltage_v: float = Field(gt=0, le=1000)
    system_voltage_v: SystemVoltage = 12
    cells_count: Whole | None = Field(None, ge=1, le=200)
    rest_h: float = Field(24, ge=0, le=1e5)
    current_a: float = Field(0, ge=-20000, le=20000)
    capacity_ah: float | None = Field(None, gt=0, le=20000)
    meter_error_v: float | None = Field(None, ge=0, le=5)

    @model_validator(mode="after")
    def _plausible(self) -> Self:
        volts = REST_V[self.chemistry][1]
        cell = self.voltage_v / self.cells
        if not 0.5 * volts[0] <= cell <= 1.35 * volts[-1]:
            raise wrong(
                "voltage_v",
                says("cell-with-cells-rested", cell_v=cell, cells=self.cells, chemistry=self.chemistry, volts=volts[0], volts_v=volts[-1]),
            )
        return self

    @property
    def cells(self) -> int:
        """Cells in series: given, or of the system voltage."""
        return self.cells_count or CHEMISTRIES[self.chemistry].cell_count(self.system_voltage_v)


class SocFromVoltageOut(Outcome):
    soc_frac: float
    soc_low_frac: float
    soc_high_frac: float
    cell_voltage_v: float
    clamped: bool
    reliability: Literal["good", "poor", "invalid"]


def soc_from_voltage(inp: SocFromVoltageIn, sources: dict[str, Figure] | None = None) -> SocFromVoltageOut:
    """What a rest voltage says of the charge, how wide that is, and whether it says anything. Method: power.rest-voltage."""
    g = Given(inp, sources)
    soc, volts = REST_V[inp.chemistry]
    chem = CHEMISTRIES[inp.chemistry]
    cells = given("cells_count", inp.cells, "input" if inp.cells_count else "table", chem.name)
    cell = derived(
        "cell_voltage_v", "V/cells", inp.voltage_v / inp.cells, Method("power.rest-voltage", "definition"), voltage_v=g("voltage_v"), cells_count=cells
    )
    meter = g("meter_error_v", METER_V * inp.cells * chem.cell_v / 12, says("on-typical"))
    band = derived(
        "band_v",
        says("meter-error-cells-spread"),
        meter.value / inp.cells + SPREAD_V[inp.chemistry],
        Method("power.rest-voltage", "hysteresis and make") + OwnChoice("typical"),
        meter_error_v=meter,
        cells_count=cells,
    )

    def at(key: str, shift: float) -> Figure:
        return derived(
            key,
            says("table-straight-between-points"),
            interpolate(cell.value + shift, volts, soc),
            Method("power.rest-voltage", "rested, 25 °C"),
            cell_voltage_v=cell,
            band_v=band,
        )

    low, high = at("soc_low_frac", -band.value), at("soc_high_frac", band.value)
    still = inp.capacity_ah * STILL_C if inp.capacity_ah is not None else 0.0
    rested = inp.rest_h >= REST_H[inp.chemistry] - EPS and abs(inp.current_a) <= still + EPS
    reliability: Literal["good", "poor", "invalid"] = "invalid" if not rested else "good" if high.value - low.value <= GOOD_BAND + EPS else "poor"
    return SocFromVoltageOut.of(
        soc_frac=at("soc_frac", 0.0),
        soc_low_frac=low,
        soc_high_frac=high,
        cell_voltage_v=cell,
        clamped=not volts[0] <= cell.value <= volts[-1],
        reliability=reliability,
    )
