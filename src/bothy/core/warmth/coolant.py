"""Coolant loops and plate exchangers (method warmth.coolant)."""

from __future__ import annotations

import math
from dataclasses import dataclass
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.constants import G
from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula
from bothy.core.fluid import friction
from bothy.core.method.sources import Method
from bothy.core.words.says import warmth_says as says


@dataclass(frozen=True, slots=True)
class Fluid:
    """At 60 °C: kg/m³, J/(kg·K), Pa·s, 1/K; °C at which it freezes."""

    rho: float
    c: float
    mu: float
    beta: float
    freezes_c: float


FluidKey = Literal["water", "eg30", "eg50", "pg30", "pg50"]
FLUIDS: dict[str, Fluid] = {
    "water": Fluid(983, 4185, 0.47e-3, 4.3e-4, 0),
    "eg30": Fluid(1017, 3830, 0.87e-3, 5.5e-4, -15),
    "eg50": Fluid(1040, 3500, 1.38e-3, 6.2e-4, -36),
    "pg30": Fluid(1001, 3960, 1.00e-3, 6.0e-4, -13),
    "pg50": Fluid(1010, 3680, 1.66e-3, 7.3e-4, -32),
}
"""method warmth.cooling."""
PER_L_MIN = 1 / 60000


class HeatExchangerIn(Contract):
    hot_in_temp_c: float = Field(ge=-20, le=150)
    hot_flow_l_min: float = Field(gt=0, le=200)
    hot_fluid: FluidKey = "eg50"
    cold_in_temp_c: float = Field(ge=-20, le=100)
    cold_flow_l_min: float = Field(gt=0, le=200)
    cold_fluid: FluidKey = "water"
    ua_w_k: float = Field(gt=0, le=50000)
    arrangement: Literal["counter", "parallel"] = "counter"
    source_power_w: float | None = Field(None, ge=0, le=100000)
    mixed_temp_c: float = Field(40, ge=0, le=90)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.hot_in_temp_c <= self.cold_in_temp_c:
            raise wrong("hot_in_temp_c", says("must-be-above-cold"))
        return self


class HeatExchangerOut(Outcome):
    effectiveness_frac: float
    ntu: float
    capacity_ratio: float
    heat_w: float
    cold_out_temp_c: float
    hot_out_temp_c: float
    sustained_heat_w: float
    sustained_cold_out_temp_c: float
    mixed_flow_l_min: float | None
    sustained_mixed_flow_l_min: float | None


@formula(
    says("effectiveness"),
    "counterflow (1−e^(−NTU(1−C_r)))/(1−C_r·e^(−NTU(1−C_r))), parallel (1−e^(−NTU(1+C_r)))/(1+C_r)",
    unit="%",
    source=Method("warmth.coolant", "effectiveness-NTU method"),
)
def effectiveness(ntu: float, capacity_ratio: float, parallel: float) -> float:
    if parallel:
        return (1 - math.exp(-ntu * (1 + capacity_ratio))) / (1 + capacity_ratio)
    if abs(1 - capacity_ratio) < 1e-9:
        return ntu / (1 + ntu)
    e = math.exp(-ntu * (1 - capacity_ratio))
    return (1 - e) / (1 - capacity_ratio * e)


def _mixed(flow: float, out_c: float, cold_c: float, mixed_c: float) -> float | None:
    return flow * (out_c - cold_c) / (mixed_c - cold_c) if out_c > mixed_c > cold_c else None


def heat_exchanger(inp: HeatExchangerIn, sources: dict[str, Figure] | None = None) -> HeatExchangerOut:
    """What a plate exchanger passes from the loop to the water. Method: warmth.coolant."""
    g = Given(inp, sources)
    hot, cold = FLUIDS[inp.hot_fluid], FLUIDS[inp.cold_fluid]
    ch, cc = hot.rho * hot.c * inp.hot_flow_l_min * PER_L_MIN, cold.rho * cold.c * inp.cold_flow_l_min * PER_L_MIN
    least, most = min(ch, cc), max(ch, cc)
    ntu = derived("ntu", "UA/C_min", inp.ua_w_k / least, Method("warmth.coolant", "definition"), ua_w_k=g("ua_w_k"), c_min_w_k=least)
    ratio = derived("capacity_ratio", "C_min/C_max", least / most, Method("warmth.coolant", "definition"), c_min_w_k=least, c_max_w_k=most)
    eps = effectiveness(ntu, ratio, float(inp.arrangement == "parallel"))
    heat = derived(
        "heat_w",
        "ε·C_min·(T_h − T_c)",
        eps.value * least * (inp.hot_in_temp_c - inp.cold_in_temp_c),
        Method("warmth.coolant", "effectiveness-NTU method"),
        effectiveness_frac=eps,
        c_min_w_k=least,
        hot_in_temp_c=g("hot_in_temp_c"),
        cold_in_temp_c=g("cold_in_temp_c"),
    )
    kept = heat.value if inp.source_power_w is None else min(heat.value, inp.source_power_w)
    out = derived("cold_out_temp_c", "T_c + P/C_c", inp.cold_in_temp_c + heat.value / cc, Method("warmth.coolant", "heat balance"), heat_w=heat, c_cold_w_k=cc)
    kept_out = inp.cold_in_temp_c + kept / cc

    def mixed(key: str, out_c: float) -> Figure | None:
        flow = _mixed(inp.cold_flow_l_min, out_c, inp.cold_in_temp_c, inp.mixed_temp_c)
        return (
            None
            if flow is None
            else derived(
                key,
                "Q_c·(T_out − T_c)/(T_mix − T_c)",
                flow,
                Method("warmth.coolant", "mixing"),
                cold_flow_l_min=g("cold_flow_l_min"),
                out_c=out_c,
                mixed_temp_c=g("mixed_temp_c"),
            )
        )

    return HeatExchangerOut.of(
        effectiveness_frac=eps,
        ntu=ntu,
        capacity_ratio=ratio,
        heat_w=heat,
        cold_out_temp_c=out,
        hot_out_temp_c=derived(
            "hot_out_temp_c", "T_h − P/C_h", inp.hot_in_temp_c - heat.value / ch, Method("warmth.coolant", "heat balance"), heat_w=heat, c_hot_w_k=ch
        ),
        sustained_heat_w=derived("sustained_heat_w", "min(P, source)", kept, Method("warmth.coolant", "the furnace limits it"), heat_w=heat),
        sustained_cold_out_temp_c=derived(
            "sustained_cold_out_temp_c", "T_c + min(P, source)/C_c", kept_out, Method("warmth.coolant", "heat balance"), heat_w=heat, source_w=kept
        ),
        mixed_flow_l_min=mixed("mixed_flow_l_min", out.value),
        sustained_mixed_flow_l_min=mixed("sustained_mixed_flow_l_min", kept_out),
    )


class HydronicLoopIn(Contract):
    heat_w: float = Field(gt=0, le=100000)
    fluid: FluidKey = "eg50"
    flow_l_min: float | None = Field(None, gt=0, le=200)
    delta_t_k: float = Field(10, gt=0, le=80)
    pipe_inner_mm: float = Field(16, ge=4, le=100)
    pipe_length_m: float = Field(ge=0, le=500)
    k_sum: float = Field(0, ge=0, le=10000)
    roughness_mm: float = Field(0.01, ge=0, le=2)
    component_drop_kpa: float = Field(0, ge=0, le=500)
    pump_head_max_m: float | None = Field(None, gt=0, le=100)
    pump_flow_max_l_min: float | None = Field(None, gt=0, le=500)
    pipe_ua_w_mk: float = Field(0.6, ge=0, le=20)
    mean_fluid_temp_c: float = Field(65, ge=-40, le=120)
    ambient_temp_c: float = Field(15, ge=-60, le=60)
    system_volume_l: float = Field(0, ge=0, le=500)
    fill_temp_c: float = Field(10, ge=-40, le=60)
    max_fluid_temp_c: float = Field(85, ge=-40, le=130)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        for one, other in (("pump_head_max_m", "pump_flow_max_l_min"), ("pump_flow_max_l_min", "pump_head_max_m")):
            if getattr(self, one) is not None and getattr(self, other) is None:
                raise wrong(other, says("required-with", one=one))
        if self.max_fluid_temp_c <= self.fill_temp_c:
            raise wrong("max_fluid_temp_c", says("must-be-above-fill"))
        return self


class HydronicLoopOut(Outcome):
    flow_l_min: float
    delta_t_k: float
    velocity_m_s: float
    reynolds: float
    friction_factor: float
    pressure_drop_kpa: float
    head_m: float
    pump_available_head_m: float | None
    pump_ok: bool | None
    pipe_loss_w: float
    expansion_l: float
    header_space_l: float


def hydronic_loop(inp: HydronicLoopIn, sources: dict[str, Figure] | None = None) -> HydronicLoopOut:
    """Flow, head and expansion of a coolant loop. Method: warmth.coolant."""
    g = Given(inp, sources)
    f = FLUIDS[inp.fluid]
    heat_flow = f.rho * f.c * PER_L_MIN
    if inp.flow_l_min is not None:
        flow = g("flow_l_min")
        delta = derived(
            "delta_t_k", "P/(ρ·c·Q)", inp.heat_w / (heat_flow * inp.flow_l_min), Method("warmth.coolant", "heat balance"), heat_w=g("heat_w"), flow_l_min=flow
        )
    else:
        delta = g("delta_t_k")
        flow = derived(
            "flow_l_min", "P/(ρ·c·ΔT)", inp.heat_w / (heat_flow * inp.delta_t_k), Method("warmth.coolant", "heat balance"), heat_w=g("heat_w"), delta_t_k=delta
        )
    d = inp.pipe_inner_mm / 1000
    v = derived(
        "velocity_m_s",
        "Q/A",
        flow.value * PER_L_MIN / (math.pi * d * d / 4),
        Method("warmth.coolant", "continuity"),
        flow_l_min=flow,
        pipe_inner_mm=g("pipe_inner_mm"),
    )
    re = derived("reynolds", "ρ·v·D/µ", f.rho * v.value * d / f.mu, Method("warmth.coolant", "definition"), velocity_m_s=v, pipe_inner_mm=g("pipe_inner_mm"))
    fr = derived(
        "friction_factor",
        says("re-laminar-swamee-jain"),
        friction(re.value, inp.roughness_mm / inp.pipe_inner_mm),
        Method("warmth.coolant"),
        reynolds=re,
    )
    drop = derived(
        "pressure_drop_kpa",
        "(f·L/D + ΣK)·ρ·v²/2 + components",
        (fr.value * inp.pipe_length_m / d + inp.k_sum) * f.rho * v.value**2 / 2000 + inp.component_drop_kpa,
        Method("warmth.coolant", "Darcy-Weisbach"),
        friction_factor=fr,
        pipe_length_m=g("pipe_length_m"),
        velocity_m_s=v,
        component_drop_kpa=g("component_drop_kpa"),
    )
    head = derived("head_m", "Δp/(ρ·g)", drop.value * 1000 / (f.rho * G), Method("warmth.coolant", "definition"), pressure_drop_kpa=drop)
    pump = None
    if inp.pump_head_max_m is not None and inp.pump_flow_max_l_min is not None:
        pump = derived(
            "pump_available_head_m",
            "h_max·(1 − Q/Q_max)",
            max(0.0, inp.pump_head_max_m * (1 - flow.value / inp.pump_flow_max_l_min)),
            Method("warmth.coolant", "pump curve as a line"),
            pump_head_max_m=g("pump_head_max_m"),
            pump_flow_max_l_min=g("pump_flow_max_l_min"),
            flow_l_min=flow,
        )
    grows = derived(
        "expansion_l",
        "β·(T_hot − T_fill)·V",
        f.beta * (inp.max_fluid_temp_c - inp.fill_temp_c) * inp.system_volume_l,
        Method("warmth.cooling"),
        system_volume_l=g("system_volume_l"),
    )
    return HydronicLoopOut.of(
        flow_l_min=flow,
        delta_t_k=delta,
        velocity_m_s=v,
        reynolds=re,
        friction_factor=fr,
        pressure_drop_kpa=drop,
        head_m=head,
        pump_available_head_m=pump,
        pump_ok=pump.value >= head.value if pump else None,
        pipe_loss_w=derived(
            "pipe_loss_w",
            "UA'·L·(T_fluid − T_amb)",
            inp.pipe_ua_w_mk * inp.pipe_length_m * (inp.mean_fluid_temp_c - inp.ambient_temp_c),
            Method("warmth.coolant"),
            pipe_ua_w_mk=g("pipe_ua_w_mk"),
            pipe_length_m=g("pipe_length_m"),
        ),
        expansion_l=grows,
        header_space_l=derived("header_space_l", "1.5·expansion", 1.5 * grows.value, Method("warmth.coolant"), expansion_l=grows),
    )


FLOOR_MOST_C = 29.0


def floor_w_m2(floor_c: float, room_c: float) -> float:
    """Heat of a warm floor in W/m² (EN 1264)."""
    return float(8.92 * max(0.0, floor_c - room_c) ** 1.1)


def convector_w(rated_w: float, fluid_c: float, room_c: float) -> float:
    """Output of a passive convector whose rating is at 50 K."""
    return float(rated_w * (max(0.0, fluid_c - room_c) / 50) ** 1.3)
