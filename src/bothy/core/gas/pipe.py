"""Pressure lost in gas pipes, one and as a tree (method gas.pipe-drop)."""

from __future__ import annotations

from typing import Annotated, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.constants import R_GAS, SEA_PA, ZERO_K, G
from bothy.core.contract import EPS, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, given
from bothy.core.fluid import SMOOTH_MM, Run, area_m2, check_fittings, fittings_loss, friction_factor, k_of, loss_pa, pipe_loss, reynolds_number, velocity
from bothy.core.gas.mixture import ATM_MBAR, GasIn, Mixture
from bothy.core.gas.use import Basis
from bothy.core.method.sources import Method
from bothy.core.region import RegionKey
from bothy.core.words.says import gas_says as says

FITTINGS: dict[str, float] = {
    "elbow_90": 0.9,
    "bend_90": 0.4,
    "elbow_45": 0.4,
    "tee_run": 0.3,
    "tee_branch": 1.2,
    "coupling": 0.1,
    "valve_ball": 0.3,
    "valve_appliance": 2.0,
    "entry": 0.5,
    "exit": 1.0,
}
"""method gas.pipe-size, typical."""
AIR_M = 0.028964
SIZES_MM = (6.0, 8.0, 10.0, 13.0)


class Limits:
    """Pressures by region in mbar: appliance, drop, test pressure, and minutes of test (method gas.leak-test, typical)."""

    def __init__(self, appliance: float, drop: float, test: float, minutes: float, stabilise: float = 5) -> None:
        self.appliance, self.drop, self.test, self.minutes, self.stabilise = appliance, drop, test, minutes, stabilise


LIMITS: dict[str, Limits] = {"uk": Limits(30, 1.0, 150, 5), "eu": Limits(30, 1.0, 150, 5), "us": Limits(27.4, 1.25, 206.8, 10), "au": Limits(27.5, 2.5, 70, 5)}


class GasPipeDropIn(GasIn, Run):
    heat_input_w: float | None = Field(None, ge=0, le=200000)
    basis: Basis = "net"
    flow_kg_h: float | None = Field(None, ge=0, le=20)
    inner_diameter_mm: float = Field(ge=2, le=100)
    roughness_mm: float = Field(SMOOTH_MM, ge=0, le=1)
    temp_c: float = Field(15, ge=-30, le=60)
    pressure_mbar: float = Field(30, ge=0, le=500)
    rise_m: float = Field(0, ge=-5, le=5)

    @model_validator(mode="after")
    def _flow(self) -> Self:
        check_fittings(self.fittings, FITTINGS)
        if self.heat_input_w is None and self.flow_kg_h is None:
            raise wrong("heat_input_w", says("give-heat-input-or"))
        if self.heat_input_w is not None and self.flow_kg_h is not None:
            raise wrong("flow_kg_h", says("give-heat-input-or-flow"))
        return self


class GasPipeDropOut(Outcome):
    flow_kg_h: float
    flow_m3_h: float
    gas_density_kg_m3: float
    velocity_m_s: float
    reynolds: float
    friction_factor: float
    k_total: float
    pipe_mbar: float
    fittings_mbar: float
    rise_mbar: float
    total_mbar: float
    end_pressure_mbar: float


def gas_pipe_drop(inp: GasPipeDropIn, sources: dict[str, Figure] | None = None) -> GasPipeDropOut:
    """What one gas pipe takes from the pressure. Method: gas.pipe-drop."""
    g = Given(inp, sources)
    mix = inp.mix
    if inp.flow_kg_h is not None:
        flow = g("flow_kg_h")
    else:
        flow = derived(
            "flow_kg_h",
            "W/1000/(kWh/kg)",
            (inp.heat_input_w or 0) / 1000 / mix.kwh_kg(inp.basis),
            Method("gas.pipe-drop", "heat value"),
            heat_input_w=g("heat_input_w"),
            energy_kwh_kg=mix.kwh_kg(inp.basis),
        )
    rho = derived(
        "gas_density_kg_m3",
        "p_abs·M/(Z·R·T)",
        mix.gas_kg_m3(inp.pressure_mbar + ATM_MBAR, inp.temp_c),
        Method("gas.pipe-drop", "real gas"),
        pressure_mbar=g("pressure_mbar"),
        temp_c=g("temp_c"),
    )
    mu = given("viscosity_upas", 1e6 * mix.viscosity(inp.temp_c), "table", says("mixture-method-gas-mixture"))
    q = derived("flow_m3_s", "kg/h/3600/ρ", flow.value / 3600 / rho.value, Method("gas.pipe-drop", "continuity"), flow_kg_h=flow, gas_density_kg_m3=rho)
    v = velocity(q, g("inner_diameter_mm"))
    re = reynolds_number(rho, v, g("inner_diameter_mm"), mu)
    f = friction_factor(re, g("inner_diameter_mm"), g("roughness_mm"))
    k = derived(
        "k_total",
        "Σ K",
        k_of(inp.fittings, FITTINGS, inp.extra_k),
        Method("gas.pipe-size"),
        **{f"{n}_k": FITTINGS[n] * c for n, c in inp.fittings.items()},
        extra_k=inp.extra_k,
    )
    pipe = derived(
        "pipe_mbar",
        "f·(L/D)·½ρv²/100",
        pipe_loss.raw(f.value, inp.length_m, inp.inner_diameter_mm, rho.value, v.value) / 100,
        Method("gas.pipe-drop", "Darcy-Weisbach"),
        friction_factor=f,
        length_m=g("length_m"),
        inner_diameter_mm=g("inner_diameter_mm"),
        velocity_m_s=v,
    )
    local = derived(
        "fittings_mbar", "K·½ρv²/100", fittings_loss.raw(k.value, rho.value, v.value) / 100, Method("gas.pipe-drop", "local losses"), k_total=k, velocity_m_s=v
    )
    air = SEA_PA * AIR_M / (R_GAS * (inp.temp_c + ZERO_K))
    rise = derived(
        "rise_mbar",
        "(ρ − ρ_air)·g·rise/100",
        (rho.value - air) * G * inp.rise_m / 100,
        Method("gas.pipe-drop", "heavy gas"),
        gas_density_kg_m3=rho,
        rise_m=g("rise_m"),
    )
    total = derived(
        "total_mbar",
        "pipe + fittings + rise",
        pipe.value + local.value + rise.value,
        Method("gas.pipe-drop", "sum"),
        pipe_mbar=pipe,
        fittings_mbar=local,
        rise_mbar=rise,
    )
    return GasPipeDropOut.of(
        flow_kg_h=flow,
        flow_m3_h=derived("flow_m3_h", "kg/h/ρ", flow.value / rho.value, Method("gas.pipe-drop", "continuity"), flow_kg_h=flow, gas_density_kg_m3=rho),
        gas_density_kg_m3=rho,
        velocity_m_s=v,
        reynolds=re,
        friction_factor=f,
        k_total=k,
        pipe_mbar=pipe,
        fittings_mbar=local,
        rise_mbar=rise,
        total_mbar=total,
        end_pressure_mbar=derived(
            "end_pressure_mbar",
            "p − total",
            inp.pressure_mbar - total.value,
            Method("gas.pipe-drop", "definition"),
            pressure_mbar=g("pressure_mbar"),
            total_mbar=total,
        ),
    )


Bore = Annotated[float, Field(ge=2, le=100)]


class SegmentIn(Contract):
    name: str = Field(min_length=1, max_length=200)
    from_: str = Field("regulator", alias="from", min_length=1, max_length=200)
    length_m: float = Field(ge=0, le=100)
    heat_input_w: float | None = Field(None, ge=0, le=200000)
    basis: Basis = "net"
    flow_kg_h: float | None = Field(None, ge=0, le=20)
    fittings: dict[str, int] = {}
    extra_k: float = Field(0, ge=0, le=1000)
    inner_diameter_mm: Bore | None = None

    @model_validator(mode="after")
    def _sense(self) -> Self:
        check_fittings(self.fittings, FITTINGS)
        if self.name == "regulator":
            raise wrong("name", says("regulator-where-tree-begins"))
        if self.heat_input_w is not None and self.flow_kg_h is not None:
            raise wrong("flow_kg_h", says("give-heat-input-or-flow"))
        return self

    def own(self, mix: Mixture) -> float:
        """kg/h of its own appliance."""
        return self.flow_kg_h if self.flow_kg_h is not None else (self.heat_input_w or 0.0) / 1000 / mix.kwh_kg(self.basis)


class GasPipeSizeIn(GasIn):
    region: RegionKey = "eu"
    limit_mbar: float | None = Field(None, gt=0, le=50)
    pressure_mbar: float | None = Field(None, ge=10, le=500)
    temp_c: float = Field(15, ge=-30, le=60)
    catalogue_mm: list[Bore] = Field(list(SIZES_MM), min_length=1, max_length=20)
    segments: list[SegmentIn] = Field(min_length=1, max_length=40)

    @model_validator(mode="after")
    def _tree(self) -> Self:
        names = [s.name for s in self.segments]
        if len(set(names)) != len(names):
            raise wrong("name", says("each-segment-needs-name"))
        parents = {s.name: s.from_ for s in self.segments}
        for s in self.segments:
            if s.from_ != "regulator" and s.from_ not in parents:
                raise wrong("from", says("neither-regulator-nor-segment", from_=s.from_))
            at, seen = s.name, set()
            while at != "regulator":
                if at in seen:
                    raise wrong("from", says("leads-back-to-itself", s_name=s.name))
                seen.add(at)
                at = parents.get(at, "regulator")
        if all(s.own(self.mix) <= 0 for s in self.segments):
            raise wrong("heat_input_w", says("no-segment-has-appliance"))
        return self


class SegmentOut(BaseModel):
    name: str
    flow_kg_h: float
    inner_diameter_mm: float
    drop_mbar: float
    cumulative_mbar: float


class GasPipeSizeOut(Outcome):
    ok: bool
    inner_diameter_mm: float | None
    limit_mbar: float
    worst_segment: str
    worst_mbar: float
    segments: list[SegmentOut]


def segment_drop(s: SegmentIn, flow_kg_h: float, bore: float, mix: Mixture, pressure_mbar: float, temp_c: float) -> float:
    """mbar over one segment."""
    rho = mix.gas_kg_m3(pressure_mbar + ATM_MBAR, temp_c)
    return loss_pa(flow_kg_h / 3600 / rho, bore, s.length_m, k_of(s.fittings, FITTINGS, s.extra_k), rho, mix.viscosity(temp_c)) / 100


def segment_reynolds(flow_kg_h: float, bore: float, mix: Mixture, pressure_mbar: float, temp_c: float) -> float:
    """Reynolds number in one segment."""
    rho = mix.gas_kg_m3(pressure_mbar + ATM_MBAR, temp_c)
    return flow_kg_h / 3600 / area_m2(bore) * bore / 1000 / mix.viscosity(temp_c) if rho > 0 else 0.0


def solve_tree(segments: list[SegmentIn], bore: float, mix: Mixture, pressure_mbar: float, temp_c: float) -> list[SegmentOut]:
    """Flow and drop of every segment at one size for those that have none fixed."""
    by = {s.name: s for s in segments}
    flows = {s.name: 0.0 for s in segments}
    for s in segments:
        own, at = s.own(mix), s.name
        while at != "regulator":
            flows[at] += own
            at = by[at].from_
    drops = {s.name: segment_drop(s, flows[s.name], s.inner_diameter_mm or bore, mix, pressure_mbar, temp_c) for s in segments}

    def to(name: str) -> float:
        way, lost = [], 0.0
        while name != "regulator":
            way.append(name)
            name = by[name].from_
        for on_it in reversed(way):
            lost += drops[on_it]
        return lost

    return [
        SegmentOut(name=s.name, flow_kg_h=flows[s.name], inner_diameter_mm=s.inner_diameter_mm or bore, drop_mbar=drops[s.name], cumulative_mbar=to(s.name))
        for s in segments
    ]


def gas_pipe_size(inp: GasPipeSizeIn, sources: dict[str, Figure] | None = None) -> GasPipeSizeOut:
    """The smallest size at which every appliance keeps its pressure. Method: gas.pipe-size."""
    mix, law = inp.mix, LIMITS[inp.region]
    limit = law.drop if inp.limit_mbar is None else inp.limit_mbar
    pressure = law.appliance if inp.pressure_mbar is None else inp.pressure_mbar
    ends = {s.name for s in inp.segments if s.own(mix) > 0}
    size: float | None = None
    solved: list[SegmentOut] = []
    for bore in sorted(inp.catalogue_mm):
        solved = solve_tree(inp.segments, bore, mix, pressure, inp.temp_c)
        if max(s.cumulative_mbar for s in solved if s.name in ends) <= limit + EPS:
            size = bore
            break
    worst = max((s for s in solved if s.name in ends), key=lambda s: s.cumulative_mbar)
    path: dict[str, float] = {}
    at = worst.name
    by = {s.name: s for s in inp.segments}
    while at != "regulator":
        path[f"{at}_mbar"] = next(s.drop_mbar for s in solved if s.name == at)
        at = by[at].from_
    return GasPipeSizeOut.of(
        ok=size is not None,
        inner_diameter_mm=None
        if size is None
        else derived("inner_diameter_mm", says("smallest-sizes-with-worst"), size, Method("gas.pipe-size"), worst_mbar=worst.cumulative_mbar),
        limit_mbar=given("limit_mbar", limit, "input" if inp.limit_mbar is not None else "table", says("method-gas-leak-test", region=inp.region)),
        worst_segment=worst.name,
        worst_mbar=derived("worst_mbar", "Σ of the drops from the regulator", worst.cumulative_mbar, Method("gas.pipe-size"), **path),
        segments=solved,
    )
