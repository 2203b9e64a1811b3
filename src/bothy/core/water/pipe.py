"""Pressure lost in one run, and the flow at each tap that is open (method water.pipe-loss)."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from typing import Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.constants import G
from bothy.core.contract import BadInput, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, given
from bothy.core.fluid import SMOOTH_MM, Run, check_fittings, fittings_loss, friction_factor, k_of, loss_pa, pipe_loss, reynolds_number, velocity
from bothy.core.method.sources import Method
from bothy.core.root import reached
from bothy.core.water.properties import FITTINGS, density, viscosity
from bothy.core.words.says import water_says as says


class WaterRun(Run):
    """A run with the fittings that water has."""

    @model_validator(mode="after")
    def _fittings(self) -> Self:
        check_fittings(self.fittings, FITTINGS)
        return self

    @property
    def k(self) -> float:
        """Its local losses."""
        return k_of(self.fittings, FITTINGS, self.extra_k)


class PipePressureLossIn(WaterRun):
    flow_l_min: float = Field(ge=0, le=500)
    roughness_mm: float = Field(SMOOTH_MM, ge=0, le=1)
    temp_c: float = Field(15, ge=0, le=95)
    rise_m: float = Field(0, ge=-10, le=10)


class PipePressureLossOut(Outcome):
    velocity_m_s: float
    reynolds: float
    friction_factor: float
    k_total: float
    pipe_kpa: float
    fittings_kpa: float
    static_kpa: float
    total_kpa: float


def pipe_pressure_loss(inp: PipePressureLossIn, sources: dict[str, Figure] | None = None) -> PipePressureLossOut:
    """What one run of pipe takes from the pressure. Method: water.pipe-loss."""
    g = Given(inp, sources)
    rho = given("density_kg_m3", density(inp.temp_c), "table", says("water-at-2", temp_c=inp.temp_c))
    mu = given("viscosity_upas", 1e6 * viscosity(inp.temp_c), "table", says("water-at-within", temp_c=inp.temp_c))
    k = derived("k_total", "Σ K", inp.k, Method("water.pipe-loss"), **{f"{n}_k": FITTINGS[n] * c for n, c in inp.fittings.items()}, extra_k=inp.extra_k)
    q = derived("flow_m3_s", "Q/60000", inp.flow_l_min / 60000, Method("water.pipe-loss", "unit"), flow_l_min=g("flow_l_min"))
    v = velocity(q, g("inner_diameter_mm"))
    re = reynolds_number(rho, v, g("inner_diameter_mm"), mu)
    f = friction_factor(re, g("inner_diameter_mm"), g("roughness_mm"))
    pipe = pipe_loss(f, g("length_m"), g("inner_diameter_mm"), rho, v)
    local = fittings_loss(k, rho, v)
    static = derived(
        "static_kpa", "ρ·g·rise/1000", rho.value * G * inp.rise_m / 1000, Method("water.pipe-loss", "hydrostatics"), density_kg_m3=rho, rise_m=g("rise_m")
    )
    pk = derived("pipe_kpa", "f·(L/D)·½ρv²/1000", pipe.value / 1000, Method("water.pipe-loss", "Darcy-Weisbach"), pipe_loss_pa=pipe)
    fk = derived("fittings_kpa", "K·½ρv²/1000", local.value / 1000, Method("water.pipe-loss", "local losses"), fittings_loss_pa=local)
    return PipePressureLossOut.of(
        velocity_m_s=v,
        reynolds=re,
        friction_factor=f,
        k_total=k,
        pipe_kpa=pk,
        fittings_kpa=fk,
        static_kpa=static,
        total_kpa=derived(
            "total_kpa",
            "pipe + fittings + height",
            pk.value + fk.value + static.value,
            Method("water.pipe-loss", "sum"),
            pipe_kpa=pk,
            fittings_kpa=fk,
            static_kpa=static,
        ),
    )


class PumpPoint(Contract):
    flow_l_min: float = Field(ge=0, le=200)
    pressure_kpa: float = Field(ge=0, le=1000)


def check_curve(points: Sequence[PumpPoint]) -> None:
    """Refuse a pump curve that can't be one."""
    if points[0].flow_l_min != 0:
        raise wrong("pump_points", says("must-begin-at-flow"))
    if points[-1].pressure_kpa != 0:
        raise wrong("pump_points", says("must-end-at-pressure"))
    if any(b.flow_l_min <= a.flow_l_min or b.pressure_kpa >= a.pressure_kpa for a, b in pairwise(points)):
        raise wrong("pump_points", says("must-have-rising-flow"))


def pump_kpa(points: Sequence[PumpPoint], flow_l_min: float) -> float:
    """A pump's pressure at a flow, on straight lines between its points."""
    for a, b in pairwise(points):
        if flow_l_min <= b.flow_l_min:
            return a.pressure_kpa + (b.pressure_kpa - a.pressure_kpa) * (flow_l_min - a.flow_l_min) / (b.flow_l_min - a.flow_l_min)
    return 0.0


class SupplyRun(WaterRun):
    rise_m: float = Field(0, ge=-3, le=5)


class OutletRun(SupplyRun):
    name: str | None = Field(None, min_length=1, max_length=200)
    rated_flow_l_min: float = Field(gt=0, le=60)
    rated_kpa: float = Field(gt=0, le=600)
    is_open: bool = True


class TapFlowIn(Contract):
    pump_points: list[PumpPoint] = Field(min_length=2, max_length=20)
    supply: SupplyRun
    outlets: list[OutletRun] = Field(min_length=1, max_length=8)
    filter_kpa_per_l_min: float = Field(0, ge=0, le=100)
    cut_out_kpa: float | None = Field(None, ge=10, le=1000)
    temp_c: float = Field(15, ge=0, le=95)

    @model_validator(mode="after")
    def _curve(self) -> Self:
        check_curve(self.pump_points)
        return self


class TapOut(BaseModel):
    name: str
    flow_l_min: float


class TapFlowOut(Outcome):
    total_flow_l_min: float
    pump_pressure_kpa: float
    junction_pressure_kpa: float
    outlets: list[TapOut]
    hydraulic_power_w: float
    cycling: bool


def outlet_flow(o: OutletRun, kpa: float, rho: float, mu: float, most: float) -> float:
    """L/min that an open outlet passes at a pressure at the junction."""
    if not o.is_open or kpa <= rho * G * o.rise_m / 1000:
        return 0.0
    k = o.k

    def need(q: float) -> float:
        lost = loss_pa(q / 60000, o.inner_diameter_mm, o.length_m, k, rho, mu)
        return (lost + rho * G * o.rise_m) / 1000 + o.rated_kpa * (q / o.rated_flow_l_min) ** 2

    return reached(need, kpa, 0.0, most)


def tap_flow(inp: TapFlowIn, sources: dict[str, Figure] | None = None) -> TapFlowOut:
    """Flow at each open outlet of one pump. Method: water.taps. Raises :class:`BadInput` (pump_points) where the outlets pass more than the pump's
    open flow."""
    rho, mu = density(inp.temp_c), viscosity(inp.temp_c)
    s, most = inp.supply, inp.pump_points[-1].flow_l_min
    k = s.k

    def junction(q: float) -> float:
        lost = loss_pa(q / 60000, s.inner_diameter_mm, s.length_m, k, rho, mu)
        return pump_kpa(inp.pump_points, q) - (lost + rho * G * s.rise_m) / 1000 - inp.filter_kpa_per_l_min * q

    wide = 4 * most

    def taken(q: float) -> list[float]:
        p = junction(q)
        return [outlet_flow(o, p, rho, mu, wide) for o in inp.outlets]

    if sum(taken(most)) > most:
        raise BadInput("pump_points", says("outlets-still-pass-more"))
    total = reached(lambda q: q - sum(taken(q)), 0.0, 0.0, most) if any(o.is_open for o in inp.outlets) else 0.0
    flows = taken(total)
    total = sum(flows) if total < 1e-9 else total
    p = pump_kpa(inp.pump_points, total)
    q = derived(
        "total_flow_l_min",
        "Q at which Σ of the outlets’ flows is Q",
        total,
        Method("water.taps", "pump curve against losses"),
        **{f"{o.name or f'outlet {i}'}_l_min": f for i, (o, f) in enumerate(zip(inp.outlets, flows, strict=True), 1)},
    )
    pf = derived("pump_pressure_kpa", says("pumps-curve-at"), p, Method("water.taps", "pump's curve"), total_flow_l_min=q)
    return TapFlowOut.of(
        total_flow_l_min=q,
        pump_pressure_kpa=pf,
        junction_pressure_kpa=derived(
            "junction_pressure_kpa", "pump − run − height − filter", junction(total), Method("water.taps"), pump_pressure_kpa=pf, total_flow_l_min=q
        ),
        outlets=[TapOut(name=o.name or says("outlet", i=i), flow_l_min=f) for i, (o, f) in enumerate(zip(inp.outlets, flows, strict=True), 1)],
        hydraulic_power_w=derived("hydraulic_power_w", "Q·p/60", total * p / 60, Method("water.taps", "definition"), total_flow_l_min=q, pump_pressure_kpa=pf),
        cycling=inp.cut_out_kpa is not None and total > 0 and p >= inp.cut_out_kpa - 1e-9,
    )
