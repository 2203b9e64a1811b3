"""Warm-air ducts: one run, a network that shares a heater, and which outlet feeds which run (method warmth.ducts)."""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from typing import Any, Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.constants import ZERO_K
from bothy.core.contract import BadInput, Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method
from bothy.core.warmth.air import CP, RHO
from bothy.core.words.says import warmth_says as says

FITTINGS: dict[str, float] = {
    "bend_90": 0.6,
    "bend_90_tight": 1.2,
    "bend_45": 0.35,
    "tee_straight": 0.3,
    "tee_branch": 1.3,
    "y_branch": 0.7,
    "reducer": 0.1,
    "silencer": 1,
    "grille_open": 1.5,
    "grille_directional": 2.5,
    "damper_0": 0.2,
    "damper_20": 1.5,
    "damper_30": 3.9,
    "damper_45": 18.7,
    "damper_60": 118,
}
"""Loss in velocity heads; dampers by the blade's angle from open (method warmth.ducts, typical)."""
FittingKind = Literal[
    "bend_90",
    "bend_90_tight",
    "bend_45",
    "tee_straight",
    "tee_branch",
    "y_branch",
    "reducer",
    "silencer",
    "grille_open",
    "grille_directional",
    "damper_0",
    "damper_20",
    "damper_30",
    "damper_45",
    "damper_60",
]
BARE_UA = 1.25
MOST_OUTLETS = 8
EVEN = 1e-9


def density(temp_c: float) -> float:
    """Air density at a temperature, kg/m³."""
    return RHO * 293.15 / (temp_c + ZERO_K)


class Fitting(Contract):
    kind: FittingKind
    count: Whole = Field(1, ge=0, le=100)


class Duct(Contract):
    """What every length of duct has."""

    diameter_mm: float = Field(ge=20, le=400)
    length_m: float = Field(ge=0, le=50)
    friction_factor: float = Field(0.05, gt=0, le=1)
    k_sum: float = Field(0, ge=0, le=10000)
    fittings: list[Fitting] = Field([], max_length=60)
    ua_w_mk: float | None = Field(None, ge=0, le=50)
    insulation_mm: float = Field(0, ge=0, le=100)
    insulation_conductivity_w_mk: float = Field(0.04, gt=0, le=1)
    ambient_temp_c: float = Field(20, ge=-60, le=80)

    @property
    def bore_m2(self) -> float:
        """Free area in m²."""
        return math.pi * (self.diameter_mm / 1000) ** 2 / 4

    def k(self, ends: bool = True) -> float:
        """Loss in velocity heads; ``ends`` where the air leaves it into a room."""
        return (
            float(ends) + self.friction_factor * self.length_m / (self.diameter_mm / 1000) + self.k_sum + sum(FITTINGS[f.kind] * f.count for f in self.fittings)
        )

    @property
    def ua(self) -> float:
        """Heat lost in W for each metre and kelvin."""
        if self.ua_w_mk is not None:
            return self.ua_w_mk
        d = self.diameter_mm / 1000
        outer = d + 2 * self.insulation_mm / 1000
        return 1 / (1 / (25 * math.pi * d) + math.log(outer / d) / (2 * math.pi * self.insulation_conductivity_w_mk) + 1 / (9 * math.pi * outer))


@formula(says("temperature-end"), "T_amb + (T_s − T_amb)·exp(−UA'·L/(m·c_p))", unit="°C", source=Method("warmth.ducts"))
def outlet_temp(supply_temp_c: float, ambient_temp_c: float, ua_w_mk: float, length_m: float, mass_flow_kg_s: float) -> float:
    return ambient_temp_c + (supply_temp_c - ambient_temp_c) * math.exp(-ua_w_mk * length_m / (mass_flow_kg_s * CP))


@formula(says("heat-arrives"), "m·c_p·(T_o − T_zone)", unit="W", source=Method("warmth.ducts"))
def arriving(mass_flow_kg_s: float, outlet_temp_c: float, zone_temp_c: float) -> float:
    return mass_flow_kg_s * CP * (outlet_temp_c - zone_temp_c)


@formula(says("pressure-lost"), "K·ρ·v²/2", unit="Pa", source=Method("warmth.ducts", "Darcy-Weisbach and fittings"))
def pressure_lost(k_total: float, density_kg_m3: float, velocity_m_s: float) -> float:
    return k_total * density_kg_m3 * velocity_m_s**2 / 2


class DuctRunIn(Duct):
    flow_m3_h: float = Field(gt=0, le=5000)
    supply_temp_c: float = Field(ge=-40, le=250)
    zone_temp_c: float = Field(20, ge=-60, le=60)


class DuctRunOut(Outcome):
    ua_w_mk: float
    k_total: float
    velocity_m_s: float
    pressure_pa: float
    outlet_temp_c: float
    delivered_w: float
    loss_w: float
    loss_frac: float | None


def duct_run(inp: DuctRunIn, sources: dict[str, Figure] | None = None) -> DuctRunOut:
    """Pressure, temperature and heat at the end of one duct. Method: warmth.ducts."""
    g = Given(inp, sources)
    m = derived("mass_flow_kg_s", "1.2·Q/3600", RHO * inp.flow_m3_h / 3600, Method("warmth.ducts", "standard air"), flow_m3_h=g("flow_m3_h"))
    rho = density(inp.supply_temp_c)
    v = derived("velocity_m_s", "m/(ρ·A)", m.value / (rho * inp.bore_m2), Method("warmth.ducts", "continuity"), mass_flow_kg_s=m, diameter_mm=g("diameter_mm"))
    k = derived(
        "k_total", "1 + f·L/D + ΣK", inp.k(), Method("warmth.ducts"), length_m=g("length_m"), diameter_mm=g("diameter_mm"), friction_factor=g("friction_factor")
    )
    ua = derived(
        "ua_w_mk", "1/(1/(25πD) + ln(D_o/D)/(2πλ) + 1/(9πD_o))", inp.ua, Method("warmth.ducts"), diameter_mm=g("diameter_mm"), insulation_mm=g("insulation_mm")
    )
    end = outlet_temp(g("supply_temp_c"), g("ambient_temp_c"), ua, g("length_m"), m)
    lost = derived(
        "loss_w",
        "m·c_p·(T_s − T_o)",
        m.value * CP * (inp.supply_temp_c - end.value),
        Method("warmth.ducts", "heat balance"),
        mass_flow_kg_s=m,
        outlet_temp_c=end,
    )
    there = m.value * CP * (inp.supply_temp_c - inp.zone_temp_c)
    return DuctRunOut.of(
        ua_w_mk=ua,
        k_total=k,
        velocity_m_s=v,
        pressure_pa=pressure_lost(k, rho, v),
        outlet_temp_c=end,
        delivered_w=arriving(m, end, g("zone_temp_c")),
        loss_w=lost,
        loss_frac=derived("loss_frac", "lost/(m·c_p·(T_s − T_zone))", lost.value / there, Method("warmth.ducts", "definition"), loss_w=lost)
        if there > 0
        else None,
    )


class BranchIn(Duct):
    name: str = Field(min_length=1, max_length=200)
    open: bool = True
    zone_temp_c: float = Field(20, ge=-60, le=60)
    need_w: float = Field(0, ge=0, le=50000)
    branches: list[BranchIn] = Field([], max_length=40)


class NetworkRunIn(BranchIn):
    temp_bias: float = Field(1, gt=0, le=5)


class DuctNetworkIn(Contract):
    fan_pressure_max_pa: float = Field(gt=0, le=5000)
    fan_flow_max_m3_h: float = Field(gt=0, le=5000)
    heater_power_w: float = Field(gt=0, le=50000)
    return_temp_c: float = Field(20, ge=-40, le=60)
    design_supply_temp_c: float = Field(80, ge=0, le=200)
    return_area_mm2: float | None = Field(None, gt=0, le=4e6)
    discharge_coeff: float = Field(0.6, gt=0, le=1)
    runs: list[NetworkRunIn] = Field(min_length=1, max_length=40)


class DuctEnd(BaseModel):
    name: str
    flow_m3_h: float
    flow_frac: float
    velocity_m_s: float
    supply_temp_c: float
    outlet_temp_c: float | None
    delivered_w: float
    loss_w: float
    shortfall_w: float


class DuctNetworkOut(Outcome):
    total_flow_m3_h: float
    plenum_pressure_pa: float
    return_pressure_pa: float
    mean_supply_temp_c: float
    delivered_w: float
    loss_w: float
    worst_shortfall_w: float
    runs: list[DuctEnd]


@dataclass
class _Node:
    """A run or branch with its k (Pa per (m³/s)²; None: closed), flow and temperatures."""

    duct: BranchIn
    children: list[_Node] = field(default_factory=list)
    k: float | None = None
    flow: float = 0.0
    supply_c: float = 0.0
    end_c: float | None = None
    loss_w: float = 0.0


def _node(b: BranchIn, rho: float) -> _Node:
    n = _Node(b, [_node(x, rho) for x in b.branches])
    open_ = [c for c in n.children if c.k is not None]
    if b.open and (open_ or not n.children):
        own = b.k(ends=not n.children) * RHO**2 / (2 * rho * b.bore_m2**2)
        n.k = own + (1 / sum(1 / math.sqrt(c.k) for c in open_ if c.k) ** 2 if open_ else 0.0)
    return n


def _spread(n: _Node, flow: float, supply: float) -> None:
    n.flow, n.supply_c = flow, supply
    if flow > 0:
        m = RHO * flow
        n.end_c = outlet_temp.raw(supply, n.duct.ambient_temp_c, n.duct.ua, n.duct.length_m, m)
        n.loss_w = m * CP * (supply - n.end_c)
    whole = sum(1 / math.sqrt(c.k) for c in n.children if c.k)
    for c in n.children:
        _spread(c, flow / math.sqrt(c.k) / whole if c.k and flow > 0 else 0.0, n.end_c if n.end_c is not None else supply)


def _walk(nodes: Sequence[_Node]) -> Iterator[_Node]:
    for n in nodes:
        yield n
        yield from _walk(n.children)


def duct_network(inp: DuctNetworkIn, sources: dict[str, Figure] | None = None) -> DuctNetworkOut:
    """How one heater's air divides over its ducts and what arrives where. Raises :class:`BadInput` when all runs are closed. Method: warmth.ducts."""
    g = Given(inp, sources)
    rho = density(inp.design_supply_temp_c)
    top = [_node(r, rho) for r in inp.runs]
    s = sum(1 / math.sqrt(n.k) for n in top if n.k)
    if s <= 0:
        raise BadInput("runs", says("every-run-closed-air"))
    kr = RHO / (2 * (inp.discharge_coeff * inp.return_area_mm2 * 1e-6) ** 2) if inp.return_area_mm2 is not None else 0.0
    pmax, qmax = inp.fan_pressure_max_pa, inp.fan_flow_max_m3_h / 3600
    a, b = 1 / s**2 + kr, pmax / qmax
    q = (-b + math.sqrt(b * b + 4 * a * pmax)) / (2 * a)
    pressure = q * q / s**2
    biased = sum(r.temp_bias * math.sqrt(pressure / n.k) for r, n in zip(inp.runs, top, strict=True) if n.k)
    rise = inp.heater_power_w / (RHO * CP * biased)
    for r, n in zip(inp.runs, top, strict=True):
        _spread(n, math.sqrt(pressure / n.k) if n.k else 0.0, inp.return_temp_c + r.temp_bias * rise)
    ends, losses = [], 0.0
    for n in _walk(top):
        losses += n.loss_w
        if n.children:
            continue
        got = RHO * n.flow * CP * (n.end_c - n.duct.zone_temp_c) if n.end_c is not None else 0.0
        ends.append(
            DuctEnd(
                name=n.duct.name,
                flow_m3_h=n.flow * 3600,
                flow_frac=n.flow / q,
                velocity_m_s=RHO * n.flow / (rho * n.duct.bore_m2),
                supply_temp_c=n.supply_c,
                outlet_temp_c=n.end_c,
                delivered_w=got,
                loss_w=n.loss_w,
                shortfall_w=max(0.0, n.duct.need_w - got),
            )
        )
    flow = derived(
        "total_flow_m3_h",
        "fan curve p_max·(1 − Q/Q_max) meets (1/S² + k_return)·Q²",
        q * 3600,
        Method("warmth.ducts"),
        fan_pressure_max_pa=g("fan_pressure_max_pa"),
        fan_flow_max_m3_h=g("fan_flow_max_m3_h"),
        openness=s,
    )
    each: dict[str, Any] = {f"run_{i}_w": e.delivered_w for i, e in enumerate(ends, 1)}
    return DuctNetworkOut.of(
        total_flow_m3_h=flow,
        plenum_pressure_pa=derived("plenum_pressure_pa", "Q²/S²", pressure, Method("warmth.ducts"), total_flow_m3_h=flow, openness=s),
        return_pressure_pa=derived("return_pressure_pa", "ρ/2·(Q/(C_d·A_return))²", kr * q * q, Method("warmth.ducts", "orifice"), total_flow_m3_h=flow),
        mean_supply_temp_c=derived(
            "mean_supply_temp_c",
            "T_return + P/(ρ·c_p·Q)",
            inp.return_temp_c + inp.heater_power_w / (RHO * CP * q),
            Method("warmth.ducts", "heat balance"),
            return_temp_c=g("return_temp_c"),
            heater_power_w=g("heater_power_w"),
            total_flow_m3_h=flow,
        ),
        delivered_w=derived("delivered_w", "Σ", sum(e.delivered_w for e in ends), Method("warmth.ducts", "what arrives"), **each),
        loss_w=derived("loss_w", "Σ m·c_p·(T_s − T_o), trunks too", losses, Method("warmth.ducts", "heat balance"), total_flow_m3_h=flow),
        worst_shortfall_w=derived("worst_shortfall_w", says("max-over-runs-need"), max(e.shortfall_w for e in ends), Method("warmth.ducts"), **each),
        runs=ends,
    )


class AssignOutlet(Contract):
    name: str = Field(min_length=1, max_length=200)
    temp_c: float = Field(ge=0, le=250)


class AssignRun(Contract):
    name: str = Field(min_length=1, max_length=200)
    flow_m3_h: float = Field(gt=0, le=5000)
    length_m: float = Field(ge=0, le=50)
    ua_w_mk: float = Field(BARE_UA, ge=0, le=50)
    ambient_temp_c: float = Field(20, ge=-60, le=80)
    zone_temp_c: float = Field(20, ge=-60, le=60)
    need_w: float = Field(ge=0, le=50000)


class OutletAssignmentIn(Contract):
    objective: Literal["worst", "total"] = "worst"
    costs: list[list[float]] | None = Field(None, min_length=1)
    outlets: list[AssignOutlet] | None = Field(None, min_length=1)
    runs: list[AssignRun] | None = Field(None, min_length=1)

    @model_validator(mode="after")
    def _shape(self) -> Self:
        if self.costs is not None:
            width = len(self.costs[0])
            if any(len(r) != width for r in self.costs) or width == 0 or width > len(self.costs) or any(c < 0 for r in self.costs for c in r):
                raise wrong("costs", says("must-be-table-numbers"))
            if len(self.costs) > MOST_OUTLETS:
                raise wrong("costs", says("at-most-outlets", most_outlets=MOST_OUTLETS))
            return self
        for key in ("outlets", "runs"):
            if getattr(self, key) is None:
                raise wrong(key, says("required-where-costs-not"))
        if len(self.outlets or []) > MOST_OUTLETS:
            raise wrong("outlets", says("at-most", most_outlets=MOST_OUTLETS))
        if len(self.runs or []) > len(self.outlets or []):
            raise wrong("runs", says("more-than-heater-has"))
        return self


class Assigned(BaseModel):
    run: str
    outlet: str
    shortfall_w: float


class OutletAssignmentOut(Outcome):
    outlet_index: list[int]
    assignment: list[Assigned]
    worst_shortfall_w: float
    total_shortfall_w: float
    costs: list[list[float]]


def best_assignment(costs: Sequence[Sequence[float]], objective: str) -> tuple[int, ...]:
    """An outlet (row) for each run (column): least worst shortfall, then least sum, or the other way; of equals the first in order."""
    best: tuple[int, ...] = ()
    least = (math.inf, math.inf)
    for perm in itertools.permutations(range(len(costs)), len(costs[0])):
        each = [costs[o][r] for r, o in enumerate(perm)]
        mark = (max(each), sum(each)) if objective == "worst" else (sum(each), max(each))
        if mark[0] < least[0] - EVEN or (mark[0] <= least[0] + EVEN and mark[1] < least[1] - EVEN):
            best, least = perm, mark
    return best


def outlet_assignment(inp: OutletAssignmentIn, sources: dict[str, Figure] | None = None) -> OutletAssignmentOut:
    """Which of the heater's outlets feeds which run. Method: warmth.ducts."""
    if inp.costs is not None:
        costs = inp.costs
        runs, outlets = [f"run_{i + 1}" for i in range(len(costs[0]))], [f"outlet_{i + 1}" for i in range(len(costs))]
    else:
        assert inp.runs is not None
        assert inp.outlets is not None
        costs = []
        for o in inp.outlets:
            row = []
            for r in inp.runs:
                m = RHO * r.flow_m3_h / 3600
                row.append(max(0.0, r.need_w - arriving.raw(m, outlet_temp.raw(o.temp_c, r.ambient_temp_c, r.ua_w_mk, r.length_m, m), r.zone_temp_c)))
            costs.append(row)
        runs, outlets = [r.name for r in inp.runs], [o.name for o in inp.outlets]
    chosen = best_assignment(costs, inp.objective)
    each = [costs[o][r] for r, o in enumerate(chosen)]
    parts = {f"run_{i}_w": w for i, w in enumerate(each, 1)}
    return OutletAssignmentOut.of(
        outlet_index=list(chosen),
        assignment=[Assigned(run=runs[r], outlet=outlets[o], shortfall_w=each[r]) for r, o in enumerate(chosen)],
        worst_shortfall_w=derived("worst_shortfall_w", "max", max(each), Method("warmth.ducts", "all ways tried"), **parts),
        total_shortfall_w=derived("total_shortfall_w", "Σ", sum(each), Method("warmth.ducts", "all ways tried"), **parts),
        costs=[list(r) for r in costs],
    )
