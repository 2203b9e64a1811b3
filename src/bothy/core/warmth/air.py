"""Air and the water in it (method warmth.air)."""

from __future__ import annotations

import math

from pydantic import Field

from bothy.core.constants import SEA_PA, ZERO_K
from bothy.core.contract import Contract, Given, Outcome
from bothy.core.figure import Figure, formula
from bothy.core.method.sources import Method
from bothy.core.words.says import warmth_says as says

RHO, CP, R_V = 1.2, 1006.0, 461.5
"""Density of room air kg/m³, its heat J/(kg·K), gas constant of vapour J/(kg·K)."""
PER_FLOW = RHO * CP / 3600
"""W for each m³/h and K."""
MAGNUS = Method("warmth.air", "Magnus formula over water, over ice below 0 °C")


def pressure_pa(altitude_m: float) -> float:
    """Air pressure at an altitude (ISO 2533)."""
    return float(SEA_PA * (1 - 2.25577e-5 * altitude_m) ** 5.2559)


def density_ratio(altitude_m: float) -> float:
    """Air density at an altitude against sea level (ISO 2533)."""
    return float((1 - 2.25577e-5 * altitude_m) ** 4.2559)


@formula(says("saturation-pressure"), "611.2·exp(17.62·T/(243.12+T)); below 0 °C 611.2·exp(22.46·T/(272.62+T))", unit="Pa", source=MAGNUS)
def saturation(temp_c: float) -> float:
    if temp_c >= 0:
        return 611.2 * math.exp(17.62 * temp_c / (243.12 + temp_c))
    return 611.2 * math.exp(22.46 * temp_c / (272.62 + temp_c))


saturation_pa = saturation.raw


@formula(says("vapour-pressure"), "RH·e_s(T)", unit="Pa", source=Method("warmth.air", "definition"))
def vapour(rh_frac: float, sat_pressure_pa: float) -> float:
    return rh_frac * sat_pressure_pa


@formula(says("dew-point"), "x = ln(e/611.2); 243.12·x/(17.62−x), below zero 272.62·x/(22.46−x)", unit="°C", source=MAGNUS)
def dew_point(vapour_pressure_pa: float) -> float:
    x = math.log(vapour_pressure_pa / 611.2)
    return 243.12 * x / (17.62 - x) if x >= 0 else 272.62 * x / (22.46 - x)


@formula(says("absolute-humidity"), "1000·e/(R_v·T)", unit="g/m³", source=Method("warmth.air", "gas law"))
def absolute_humidity(vapour_pressure_pa: float, temp_c: float) -> float:
    return 1000 * vapour_pressure_pa / (R_V * (temp_c + ZERO_K))


@formula(says("humidity-ratio"), "1000·0.62198·e/(p−e)", unit="g/kg", source=Method("warmth.air", "gas law"))
def humidity_ratio_g(vapour_pressure_pa: float, air_pressure_pa: float) -> float:
    return 1000 * 0.62198 * vapour_pressure_pa / (air_pressure_pa - vapour_pressure_pa)


@formula(says("humidity-surface"), "e/e_s(T_surface)", unit="%", source=Method("warmth.air", "definition"))
def surface_humidity(vapour_pressure_pa: float, surface_sat_pa: float) -> float:
    return vapour_pressure_pa / surface_sat_pa


MOULD_RH = 0.8
"""Mould may grow from this humidity at a surface on (ISO 13788)."""


class DewPointIn(Contract):
    temp_c: float = Field(ge=-45, le=60)
    rh_frac: float = Field(gt=0, le=1)
    altitude_m: float = Field(0, ge=-100, le=5000)
    surface_temp_c: float | None = Field(None, ge=-45, le=60)


class DewPointOut(Outcome):
    sat_pressure_pa: float
    vapour_pressure_pa: float
    dew_point_c: float
    abs_humidity_g_m3: float
    humidity_ratio_g_kg: float
    surface_rh_frac: float | None = None
    condenses: bool | None = None
    mould_risk: bool | None = None


def dew_point_of(inp: DewPointIn, sources: dict[str, Figure] | None = None) -> DewPointOut:
    """Dew point of air, and what it does at a surface. Method: warmth.air."""
    g = Given(inp, sources)
    sat = saturation(g("temp_c"))
    e = vapour(g("rh_frac"), sat)
    more = {}
    if inp.surface_temp_c is not None:
        rh = surface_humidity(e, saturation(g("surface_temp_c")))
        more = {"surface_rh_frac": rh, "condenses": rh.value >= 1, "mould_risk": rh.value >= MOULD_RH}
    return DewPointOut.of(
        sat_pressure_pa=sat,
        vapour_pressure_pa=e,
        dew_point_c=dew_point(e),
        abs_humidity_g_m3=absolute_humidity(e, g("temp_c")),
        humidity_ratio_g_kg=humidity_ratio_g(e, pressure_pa(inp.altitude_m)),
        **more,
    )
