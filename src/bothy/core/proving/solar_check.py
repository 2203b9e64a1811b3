"""What a panel should read in this sun, and the verdict on a reading (method prove.solar)."""

from __future__ import annotations

import math
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method, Standard
from bothy.core.proving.verdict import VerdictIn, VerdictWord, verdict
from bothy.core.words.says import proving_says as says

SOLAR = Method("prove.solar")
K_OVER_Q = 8.617333e-5
"""Boltzmann's constant over the elementary charge, V/K."""
LEAST_SUN = 200.0
"""Below it, W/m², the reading says little of the panel."""
SunVerdict = Literal["pass", "marginal", "fail", "not_tested"]


class SolarCheckIn(Contract):
    voc_stc_v: float = Field(gt=0, le=1000)
    isc_stc_a: float = Field(gt=0, le=100)
    pmp_stc_w: float = Field(gt=0, le=2000)
    voc_temp_coeff_per_c: float = Field(-0.003, ge=-0.01, le=0)
    isc_temp_coeff_per_c: float = Field(0.0005, ge=-0.01, le=0.01)
    pmp_temp_coeff_per_c: float = Field(-0.004, ge=-0.01, le=0)
    cells_count: Whole = Field(36, ge=1, le=1000)
    ideality: float = Field(1.2, ge=1, le=2)
    series_count: Whole = Field(1, ge=1, le=100)
    parallel_count: Whole = Field(1, ge=1, le=100)
    irradiance_w_m2: float = Field(ge=0, le=1500)
    cell_temp_c: float | None = Field(None, ge=-40, le=120)
    ambient_temp_c: float | None = Field(None, ge=-40, le=70)
    noct_c: float = Field(45, ge=20, le=80)
    mount_extra_c: float = Field(0, ge=0, le=40)
    derate_frac: float = Field(0.95, ge=0, le=1)
    controller_efficiency_frac: float = Field(0.96, gt=0, le=1)
    controller: Literal["mppt", "pwm"] = "mppt"
    battery_voltage_v: float | None = Field(None, gt=0, le=1000)
    measured_voc_v: float | None = Field(None, ge=0, le=10000)
    measured_isc_a: float | None = Field(None, ge=0, le=10000)
    voc_tolerance_frac: float = Field(0.05, ge=0, le=1)
    isc_tolerance_frac: float = Field(0.20, ge=0, le=1)
    irradiance_sd_frac: float = Field(0.05, ge=0, le=1)
    temp_sd_c: float = Field(3, ge=0, le=50)

    @model_validator(mode="after")
    def _warm(self) -> Self:
        if self.cell_temp_c is None and self.ambient_temp_c is None:
            raise wrong("ambient_temp_c", says("give-ambient-temp-or"))
        return self


class SolarCheckOut(Outcome):
    cell_temp_c: float
    voc_v: float
    isc_a: float
    power_w: float
    charge_current_a: float | None
    irradiance_ok: bool
    voc_verdict: SunVerdict | None
    isc_verdict: SunVerdict | None


@formula(says("temperature-cells"), "T_a + (NOCT − 20 + mount)·G/800", unit="°C", source=SOLAR + Standard("IEC 61215"))
def cell_temp(ambient_temp_c: float, noct_c: float, mount_extra_c: float, irradiance_w_m2: float) -> float:
    return ambient_temp_c + (noct_c - 20 + mount_extra_c) * irradiance_w_m2 / 800


@formula(says("open-circuit-voltage"), "s·(Voc·(1 + β·(T − 25)) + N·n·(k/q)·(T + 273.15)·ln(G/1000))", unit="V", source=SOLAR + Standard("IEC 60891"))
def open_voltage(
    series_count: float, voc_stc_v: float, voc_temp_coeff_per_c: float, cell_temp_c: float, cells_count: float, ideality: float, irradiance_w_m2: float
) -> float:
    if irradiance_w_m2 <= 0:
        return 0.0
    thermal = cells_count * ideality * K_OVER_Q * (cell_temp_c + 273.15) * math.log(irradiance_w_m2 / 1000)
    return max(0.0, series_count * (voc_stc_v * (1 + voc_temp_coeff_per_c * (cell_temp_c - 25)) + thermal))


@formula(says("short-circuit-current"), "p·Isc·G/1000·(1 + α·(T − 25))", unit="A", source=SOLAR + Standard("IEC 60891"))
def short_current(parallel_count: float, isc_stc_a: float, irradiance_w_m2: float, isc_temp_coeff_per_c: float, cell_temp_c: float) -> float:
    return max(0.0, parallel_count * isc_stc_a * irradiance_w_m2 / 1000 * (1 + isc_temp_coeff_per_c * (cell_temp_c - 25)))


@formula(says("power-array"), "s·p·P·G/1000·max(0, 1 + γ·(T − 25))·derate", unit="W", source=SOLAR)
def array_power(
    series_count: float, parallel_count: float, pmp_stc_w: float, irradiance_w_m2: float, pmp_temp_coeff_per_c: float, cell_temp_c: float, derate_frac: float
) -> float:
    return series_count * parallel_count * pmp_stc_w * irradiance_w_m2 / 1000 * max(0.0, 1 + pmp_temp_coeff_per_c * (cell_temp_c - 25)) * derate_frac


def _judged(measured: float | None, expected: Figure, ok: bool, tolerance: float, accuracy: float, sd: float) -> SunVerdict | None:
    if measured is None:
        return None
    if not ok:
        return "not_tested"
    word: VerdictWord = verdict(
        VerdictIn.trusted(measured=measured, expected=expected.value, tolerance_frac=tolerance, accuracy_frac=accuracy, expected_sd=sd)
    ).verdict
    return word


def solar_check(inp: SolarCheckIn, sources: dict[str, Figure] | None = None) -> SolarCheckOut:
    """Voltage, current and power of an array in this sun, judged where they were read. Method: prove.solar."""
    g = Given(inp, sources)
    sun = g("irradiance_w_m2")
    warm = g("cell_temp_c") if inp.cell_temp_c is not None else cell_temp(g("ambient_temp_c"), g("noct_c"), g("mount_extra_c"), sun)
    voc = open_voltage(g("series_count"), g("voc_stc_v"), g("voc_temp_coeff_per_c"), warm, g("cells_count"), g("ideality"), sun)
    isc = short_current(g("parallel_count"), g("isc_stc_a"), sun, g("isc_temp_coeff_per_c"), warm)
    power = array_power(g("series_count"), g("parallel_count"), g("pmp_stc_w"), sun, g("pmp_temp_coeff_per_c"), warm, g("derate_frac"))
    charge: Figure | None = None
    if inp.battery_voltage_v is not None:
        amps = power.value * inp.controller_efficiency_frac / inp.battery_voltage_v if inp.controller == "mppt" else 0.95 * isc.value * inp.derate_frac
        charge = derived(
            "charge_current_a",
            "P·η/V_bat" if inp.controller == "mppt" else "0.95·Isc·derate",
            amps if voc.value > inp.battery_voltage_v else 0.0,
            SOLAR,
            power_w=power,
            isc_a=isc,
            battery_voltage_v=g("battery_voltage_v"),
        )
    ok = inp.irradiance_w_m2 >= LEAST_SUN
    voc_sd = abs(inp.voc_temp_coeff_per_c) * inp.voc_stc_v * inp.series_count * inp.temp_sd_c
    return SolarCheckOut.of(
        cell_temp_c=warm,
        voc_v=voc,
        isc_a=isc,
        power_w=power,
        charge_current_a=charge,
        irradiance_ok=ok,
        voc_verdict=_judged(inp.measured_voc_v, voc, ok, inp.voc_tolerance_frac, 0.005, voc_sd),
        isc_verdict=_judged(inp.measured_isc_a, isc, ok, inp.isc_tolerance_frac, 0.02, isc.value * inp.irradiance_sd_frac),
    )
