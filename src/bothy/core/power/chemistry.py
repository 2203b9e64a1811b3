"""What the chemistries are like: limits, voltages, temperature and charge behaviour (method power.balance; typical)."""

from __future__ import annotations

from bisect import bisect_right
from dataclasses import dataclass
from typing import Annotated, Literal

from pydantic import BeforeValidator

from bothy.core.contract import whole
from bothy.core.words.says import power_says as says

ChemistryKey = Literal["lifepo4", "agm", "gel", "flooded", "nmc"]
SystemVoltage = Annotated[Literal[12, 24, 48], BeforeValidator(whole)]


@dataclass(frozen=True, slots=True)
class Chemistry:
    """One column of table 4.1. C-rates in 1/h, voltages per cell, masses in kg per kWh, r_k in mΩ·Ah per 12 V."""

    key: ChemistryKey
    name: str
    cell_v: float
    cells: tuple[int, int, int]
    usable_frac: float
    max_discharge_c: float
    max_charge_c: float
    coulomb: float
    round_trip: float
    peukert: float
    self_month: float
    kg_per_kwh: float
    r_k: float
    absorption: float
    float_v: float | None
    low_cutoff: float
    parallel_max: int
    taper_a: float
    taper_b: float
    tail: float
    cycles: tuple[int, int, int]
    fault_k: float

    def cell_count(self, system_voltage_v: int) -> int:
        """Cells in series for a 12, 24 or 48 V system."""
        return self.cells[(12, 24, 48).index(int(system_voltage_v))]

    def bank_v(self, system_voltage_v: int) -> float:
        """Nominal bank voltage in V."""
        return self.cell_count(system_voltage_v) * self.cell_v

    @property
    def lithium(self) -> bool:
        """Whether charging below 0 °C destroys it."""
        return self.key in ("lifepo4", "nmc")


CHEMISTRIES: dict[str, Chemistry] = {
    c.key: c
    for c in (
        Chemistry(
            "lifepo4",
            says("lithium-iron-phosphate"),
            3.2,
            (4, 8, 16),
            0.80,
            1.0,
            0.5,
            0.995,
            0.95,
            1.02,
            0.02,
            9,
            150,
            3.55,
            3.375,
            2.80,
            4,
            0.99,
            0.08,
            0.04,
            (6000, 3500, 2500),
            200,
        ),
        Chemistry(
            "agm",
            says("agm-lead"),
            2.0,
            (6, 12, 24),
            0.50,
            0.5,
            0.2,
            0.92,
            0.83,
            1.12,
            0.03,
            25,
            400,
            2.44,
            2.27,
            1.80,
            3,
            0.95,
            0.60,
            0.02,
            (600, 600, 250),
            400,
        ),
        Chemistry(
            "gel",
            says("gel-lead"),
            2.0,
            (6, 12, 24),
            0.50,
            0.3,
            0.15,
            0.92,
            0.83,
            1.15,
            0.03,
            26,
            600,
            2.37,
            2.27,
            1.80,
            3,
            0.93,
            0.70,
            0.02,
            (750, 750, 350),
            600,
        ),
        Chemistry(
            "flooded",
            says("flooded-lead"),
            2.0,
            (6, 12, 24),
            0.50,
            0.3,
            0.13,
            0.87,
            0.77,
            1.22,
            0.06,
            23,
            700,
            2.43,
            2.23,
            1.80,
            3,
            0.92,
            0.80,
            0.03,
            (500, 500, 200),
            700,
        ),
        Chemistry(
            "nmc",
            says("lithium-nickel-manganese-cobalt"),
            3.65,
            (4, 7, 14),
            0.80,
            1.0,
            0.5,
            0.99,
            0.94,
            1.03,
            0.02,
            6.5,
            150,
            4.15,
            None,
            3.20,
            2,
            0.97,
            0.30,
            0.05,
            (2000, 1000, 600),
            200,
        ),
    )
}

_TEMPS = (-20.0, -10.0, 0.0, 10.0, 25.0, 40.0)
_CAPACITY: dict[str, tuple[float, ...]] = {
    "lifepo4": (0.60, 0.76, 0.88, 0.95, 1.00, 1.00),
    "agm": (0.55, 0.70, 0.82, 0.91, 1.00, 1.05),
    "gel": (0.50, 0.68, 0.81, 0.90, 1.00, 1.04),
    "flooded": (0.45, 0.63, 0.78, 0.89, 1.00, 1.06),
    "nmc": (0.65, 0.80, 0.90, 0.96, 1.00, 1.01),
}

REST_V: dict[str, tuple[tuple[float, ...], tuple[float, ...]]] = {
    "lifepo4": (
        (0, 0.05, 0.10, 0.20, 0.30, 0.40, 0.50, 0.60, 0.70, 0.80, 0.90, 0.95, 0.99, 1.0),
        (2.8, 3.1, 3.2, 3.235, 3.265, 3.285, 3.29, 3.297, 3.32, 3.328, 3.333, 3.336, 3.345, 3.4),
    ),
    "nmc": (
        (0, 0.05, 0.10, 0.20, 0.30, 0.40, 0.50, 0.60, 0.70, 0.80, 0.90, 1.0),
        (3.30, 3.45, 3.50, 3.57, 3.61, 3.64, 3.68, 3.76, 3.85, 3.94, 4.05, 4.18),
    ),
    "flooded": ((0, 0.25, 0.5, 0.75, 1.0), (1.9817, 2.0100, 2.0400, 2.0750, 2.1083)),
    "agm": ((0, 0.25, 0.5, 0.75, 1.0), (1.9667, 2.0167, 2.0583, 2.1000, 2.1417)),
    "gel": ((0, 0.25, 0.5, 0.75, 1.0), (1.9750, 2.0167, 2.0583, 2.0967, 2.1333)),
}


def interpolate(x: float, xs: tuple[float, ...], ys: tuple[float, ...]) -> float:
    """Straight line between neighbours, held constant outside."""
    if x <= xs[0]:
        return ys[0]
    if x >= xs[-1]:
        return ys[-1]
    i = bisect_right(xs, x)
    return ys[i - 1] + (ys[i] - ys[i - 1]) * (x - xs[i - 1]) / (xs[i] - xs[i - 1])


def capacity_factor(chemistry: str, temp_c: float) -> float:
    """Capacity at a temperature ÷ capacity at 25 °C (table 4.2)."""
    return interpolate(temp_c, _TEMPS, _CAPACITY[chemistry])


def charge_rate(chemistry: str, temp_c: float, full: float) -> float:
    """Largest charge rate at a cell temperature, as a C-rate where ``full`` is the bank's own limit (table 4.3)."""
    if chemistry == "lifepo4":
        band = 0.0 if temp_c < 0 or temp_c > 45 else 0.10 if temp_c < 5 else 0.20 if temp_c < 10 else full
    elif chemistry == "nmc":
        band = 0.0 if temp_c < 0 or temp_c > 45 else 0.20 if temp_c < 10 else full
    else:
        band = 0.0 if temp_c < -15 or temp_c > 50 else 0.10 if temp_c < 0 or temp_c > 40 else full
    return min(band, full)


def rest_voltage(chemistry: str, soc_frac: float) -> float:
    """Open-circuit cell voltage at a state of charge, in V (table 4.4)."""
    xs, ys = REST_V[chemistry]
    return interpolate(soc_frac, xs, ys)
