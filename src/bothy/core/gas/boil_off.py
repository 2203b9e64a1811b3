"""How fast a vessel can give gas: boiling needs heat through its wetted wall (method gas.vaporisation)."""

from __future__ import annotations

import math
from typing import Literal, NamedTuple

from pydantic import Field

from bothy.core.contract import EPS, Given, Outcome, Whole
from bothy.core.figure import Figure, derived, given
from bothy.core.gas.mixture import AirIn
from bothy.core.method.sources import Method
from bothy.core.words.says import gas_says as says


class VaporisationLimitIn(AirIn):
    cylinder_diameter_m: float = Field(ge=0.05, le=1)
    liquid_kg: float = Field(gt=0, le=100)
    shell_kg: float = Field(0, ge=0, le=100)
    shell_cp_kj_kg_k: float = Field(0.48, ge=0.1, le=2)
    count: Whole = Field(1, ge=1, le=6)
    air_temp_c: float = Field(ge=-40, le=60)
    u_value_w_m2k: float = Field(10, ge=1, le=100)
    max_cooling_k: float = Field(25, ge=1, le=100)
    bottom_frac: float = Field(0, ge=0, le=1)
    min_gauge_mbar: float = Field(300, ge=0, le=5000)
    duration_h: float = Field(1, gt=0, le=1000)
    demand_kg_h: float | None = Field(None, ge=0, le=50)


class VaporisationLimitOut(Outcome):
    pressure_limit_temp_c: float
    min_liquid_temp_c: float
    wetted_area_m2: float
    liquid_height_m: float
    time_constant_h: float
    continuous_kg_h: float
    continuous_w_net: float
    burst_kg_h: float
    verdict: Literal["continuous", "burst", "too-much"] | None
    time_to_limit_h: float | None
    time_to_empty_h: float | None
    liquid_temp_at_demand_c: float | None


class _Met(NamedTuple):
    """Whether a demand is met, h until the liquid is too cold and until it is empty, and the liquid's temperature then."""

    verdict: str | None = None
    to_limit: float | None = None
    to_empty: float | None = None
    at_demand: float | None = None


def _demand(inp: VaporisationLimitIn, steady_kg_h: float, theta_h: float, span_k: float, coldest_c: float, heat_j_kg: float, ua: float) -> _Met:
    """How a demand fares against what the vessels give for long; ``ua`` in W/K."""
    if inp.demand_kg_h is None:
        return _Met()
    m = inp.demand_kg_h
    to_empty = inp.liquid_kg * inp.count / m if m > 0 else None
    settles = inp.air_temp_c - m / inp.count / 3600 * heat_j_kg / ua
    if m <= steady_kg_h + EPS and (span_k > 0 or m == 0):
        return _Met("continuous", None, to_empty, settles)
    if span_k <= 0:
        return _Met("too-much", 0.0, to_empty)
    to_limit = -theta_h * math.log(1 - span_k / (inp.air_temp_c - settles))
    return _Met("burst" if to_limit >= inp.duration_h - EPS else "too-much", to_limit, to_empty, coldest_c)


class _Liquid(NamedTuple):
    """The liquid in a vessel: its height, m, and wetted wall, m²; °C at which its pressure is just enough, and to which it may cool."""

    height: Figure
    area: Figure
    limit: Figure
    coldest: Figure


def _liquid(inp: VaporisationLimitIn, g: Given) -> _Liquid:
    mix, air, d = inp.mix, inp.air_temp_c, inp.cylinder_diameter_m
    floor = math.pi * d * d / 4
    height = derived(
        "liquid_height_m",
        "kg/(1000·ρ)/(πd²/4)",
        inp.liquid_kg / (1000 * mix.liquid_kg_l(air)) / floor,
        Method("gas.vaporisation", "geometry"),
        liquid_kg=g("liquid_kg"),
        cylinder_diameter_m=g("cylinder_diameter_m"),
    )
    area = derived(
        "wetted_area_m2",
        "π·d·H + bottom·πd²/4",
        math.pi * d * height.value + inp.bottom_frac * floor,
        Method("gas.vaporisation", "geometry"),
        liquid_height_m=height,
        cylinder_diameter_m=g("cylinder_diameter_m"),
    )
    limit = derived(
        "pressure_limit_temp_c",
        "T at which p = p_min + atmosphere",
        mix.coldest_c(inp.min_gauge_mbar + inp.air_mbar),
        Method("gas.vaporisation"),
        min_gauge_mbar=g("min_gauge_mbar"),
        atmosphere_mbar=inp.air_mbar,
    )
    coldest = derived(
        "min_liquid_temp_c",
        says("higher-pressures-limit-and"),
        max(limit.value, air - inp.max_cooling_k),
        Method("gas.vaporisation"),
        pressure_limit_temp_c=limit,
        air_temp_c=g("air_temp_c"),
        max_cooling_k=g("max_cooling_k"),
    )
    return _Liquid(height, area, limit, coldest)


def _fares(met: _Met, g: Given, area: Figure, coldest: Figure, wait: Figure) -> dict[str, Figure | None]:
    """How the demand fares, as figures; None for what doesn't come to pass."""
    return {
        "time_to_limit_h": None
        if met.to_limit is None
        else derived(
            "time_to_limit_h",
            "−θ·ln[1 − (T_air − T_m)/(T_air − T_eq)]",
            met.to_limit,
            Method("gas.vaporisation"),
            time_constant_h=wait,
            min_liquid_temp_c=coldest,
        ),
        "time_to_empty_h": None
        if met.to_empty is None
        else derived(
            "time_to_empty_h",
            "kg·pieces/demand",
            met.to_empty,
            Method("gas.vaporisation", "definition"),
            liquid_kg=g("liquid_kg"),
            count=g("count"),
            demand_kg_h=g("demand_kg_h"),
        ),
        "liquid_temp_at_demand_c": None
        if met.at_demand is None
        else derived(
            "liquid_temp_at_demand_c",
            "T_air − (m/pieces)·h/(U·A), not under T_m",
            met.at_demand,
            Method("gas.vaporisation", "heat balance"),
            air_temp_c=g("air_temp_c"),
            demand_kg_h=g("demand_kg_h"),
            wetted_area_m2=area,
        ),
    }


def vaporisation_limit(inp: VaporisationLimitIn, sources: dict[str, Figure] | None = None) -> VaporisationLimitOut:
    """Gas an hour that a vessel gives for long and for a while. Method: gas.vaporisation."""
    g = Given(inp, sources)
    mix, air = inp.mix, inp.air_temp_c
    height, area, limit, coldest = _liquid(inp, g)
    span = air - coldest.value
    heat = mix.vaporisation_kj_kg((air + coldest.value) / 2) * 1000
    ua = inp.u_value_w_m2k * area.value
    cap = 1000 * (inp.liquid_kg * mix.by_mass("cp") + inp.shell_kg * inp.shell_cp_kj_kg_k)
    wait = derived(
        "time_constant_h",
        "(liquid·c_p + shell·c)/(U·A)/3600",
        cap / ua / 3600,
        Method("gas.vaporisation", "stored heat"),
        liquid_kg=g("liquid_kg"),
        shell_kg=g("shell_kg"),
        wetted_area_m2=area,
        u_value_w_m2k=g("u_value_w_m2k"),
    )
    theta = wait.value
    one = max(0.0, ua * span / heat * 3600)
    steady = derived(
        "continuous_kg_h",
        "U·A·(T_air − T_m)/h·3600·pieces",
        one * inp.count,
        Method("gas.vaporisation", "heat through the wetted wall"),
        u_value_w_m2k=g("u_value_w_m2k"),
        wetted_area_m2=area,
        min_liquid_temp_c=coldest,
        air_temp_c=g("air_temp_c"),
        heat_kj_kg=given("heat_kj_kg", heat / 1000, "table", says("heat-vaporisation")),
        count=g("count"),
    )
    burst = derived(
        "burst_kg_h",
        "continuous/(1 − e^(−t/θ))",
        steady.value / (1 - math.exp(-inp.duration_h / theta)),
        Method("gas.vaporisation", "stored heat"),
        continuous_kg_h=steady,
        duration_h=g("duration_h"),
        time_constant_h=theta,
    )
    met = _demand(inp, steady.value, theta, span, coldest.value, heat, ua)
    return VaporisationLimitOut.of(
        pressure_limit_temp_c=limit,
        min_liquid_temp_c=coldest,
        wetted_area_m2=area,
        liquid_height_m=height,
        time_constant_h=wait,
        continuous_kg_h=steady,
        continuous_w_net=derived(
            "continuous_w_net",
            "kg/h·kWh/kg·1000",
            steady.value * mix.kwh_kg_net * 1000,
            Method("gas.vaporisation", "net heat value"),
            continuous_kg_h=steady,
            energy_kwh_kg_net=mix.kwh_kg_net,
        ),
        burst_kg_h=burst,
        verdict=met.verdict,
        **_fares(met, g, area, coldest, wait),
    )
