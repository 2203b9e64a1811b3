"""The pressure side of a design: its pump and tree of runs with any outlets open (method water.pipe-loss)."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from itertools import combinations

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.water import PipeRun, Pump, Water, WaterFilter
from bothy.core.figure import derived
from bothy.core.fluid import k_of
from bothy.core.method.sources import Method
from bothy.core.water.accumulator import AccumulatorSizeIn, AccumulatorSizeOut, accumulator_size
from bothy.core.water.network import Run, Solved, Tree
from bothy.core.water.pipe import PumpPoint
from bothy.core.water.properties import FITTINGS
from bothy.core.words.says import water_says as says

PAIRS_OF = 8
MIN_VOLUME_L = 0.05


class TapPart(BaseModel):
    """An outlet: what it wants, what it gets alone, and the least it gets with one other open, and which."""

    name: str
    wanted_l_min: float
    alone_l_min: float
    shared_l_min: float
    shared_with: str | None
    velocity_m_s: float


class PumpPart(BaseModel):
    """The pump at the outlet that draws most: pressure, current; its day; its cycles at a common draw."""

    flow_l_min: float
    pressure_kpa: float
    current_a: float
    energy_wh_day: float
    cycles_per_hour: float | None
    run_time_s: float | None
    drawdown_l: float | None


def _run(r: PipeRun) -> Run:
    has = r.outlet != "none"
    return Run(r.id, r.parent, r.inner_diameter_mm, r.length_m, k_of(r.fittings, FITTINGS), r.rise_m, r.wanted_l_min if has else None, r.rated_kpa)


def filter_slope(filters: Sequence[WaterFilter]) -> float:
    """kPa that the filters of all water take for each L/min, clean."""
    return sum(f.clean_kpa / f.rated_flow_l_min for f in filters if f.at == "all")


def solve_taps(w: Water, open_: Sequence[str]) -> Solved | None:
    """Flows with a set of outlets open; None without a pump."""
    if w.pump is None or not w.runs:
        return None
    return Tree([_run(r) for r in w.runs]).solve(w.pump.points, open_, filter_slope(w.filters))


@lru_cache(maxsize=64)
def _sets(runs: tuple[Run, ...], points: tuple[tuple[float, float], ...], slope: float) -> tuple[dict[str, Solved], dict[tuple[str, str], Solved]]:
    """Each outlet alone, and every pair of the first eight."""
    tree = Tree(runs)
    curve = [PumpPoint.trusted(flow_l_min=q, pressure_kpa=p) for q, p in points]
    outs = [r.id for r in runs if r.rated_l_min is not None]
    alone = {o: tree.solve(curve, [o], slope) for o in outs}
    return alone, {pair: tree.solve(curve, pair, slope) for pair in combinations(outs[:PAIRS_OF], 2)}


def work_taps(w: Water) -> tuple[dict[str, TapPart], dict[str, float], dict[str, Solved]]:
    """Each outlet alone and with a second open; the fastest water of each run, m/s; the solved flows of each outlet alone. Empty without a pump."""
    if w.pump is None or not w.runs:
        return {}, {}, {}
    alone, pairs = _sets(tuple(_run(r) for r in w.runs), tuple((p.flow_l_min, p.pressure_kpa) for p in w.pump.points), filter_slope(w.filters))
    names = {r.id: r.name for r in w.runs}
    taps: dict[str, TapPart] = {}
    for r in w.runs:
        if r.outlet == "none":
            continue
        s = alone[r.id]
        shared, other = s.flow_l_min[r.id], None
        for pair, p in pairs.items():
            if r.id in pair and p.flow_l_min[r.id] < shared:
                shared, other = p.flow_l_min[r.id], names[pair[0] if pair[1] == r.id else pair[1]]
        taps[r.id] = quick(
            TapPart,
            name=r.name,
            wanted_l_min=r.wanted_l_min,
            alone_l_min=s.flow_l_min[r.id],
            shared_l_min=shared,
            shared_with=other,
            velocity_m_s=s.velocity_m_s[r.id],
        )
    every = [*alone.values(), *pairs.values()]
    return taps, {r.id: max((s.velocity_m_s[r.id] for s in every), default=0.0) for r in w.runs}, alone


def highest_velocities(w: Water) -> dict[str, float]:
    """The fastest that water runs in each run, with each outlet alone and any two open, m/s."""
    return work_taps(w)[1]


def work_pump(ctx: Context, w: Water, p: Pump, alone: dict[str, Solved], litres: float) -> PumpPart:
    """The pump at the most that one outlet draws: current, accumulator, energy of a day of ``litres``; figures go into the book."""
    most = max(alone.values(), key=lambda s: s.total_l_min, default=None)
    flow, kpa = (most.total_l_min, most.pump_kpa) if most else (0.0, p.points[0].pressure_kpa)
    flow_f = ctx.book.put(
        "water/pump_flow_l_min",
        derived("flow_l_min", says("pumps-curve-against-runs"), flow, Method("water.taps"), pressure_kpa=kpa),
    )
    kpa_f = ctx.book.put("water/pump_pressure_kpa", derived("pressure_kpa", says("pumps-curve-at-that"), kpa, Method("water.taps"), flow_l_min=flow_f))
    current = ctx.book.put(
        "water/pump_current_a",
        derived(
            "current_a",
            "Q·p/(60·η·U)",
            flow * kpa / (60 * p.efficiency_frac * ctx.bank_v),
            Method("water.taps", "η typical of small diaphragm pumps"),
            flow_l_min=flow_f,
            pressure_kpa=kpa_f,
            efficiency_frac=p.efficiency_frac,
            bank_voltage_v=ctx.bank_v,
        ),
    )
    energy = ctx.book.put(
        "water/pump_energy_wh",
        derived(
            "energy_wh",
            "I·U·litres/(60·Q)",
            current.value * ctx.bank_v * litres / (60 * flow) if flow > 0 else 0.0,
            Method("water.taps"),
            current_a=current,
            fresh_tank_l_day=litres,
            flow_l_min=flow_f,
        ),
    )
    acc: AccumulatorSizeOut | None = None
    if p.cut_in_kpa is not None and p.cut_out_kpa is not None and p.cut_out_kpa > p.cut_in_kpa:
        size = p.accumulator_l if p.accumulator_l is not None else MIN_VOLUME_L
        pre = p.precharge_kpa if p.precharge_kpa is None or p.precharge_kpa <= p.cut_in_kpa else p.cut_in_kpa
        common = min((r.wanted_l_min for r in w.runs if r.outlet in ("sink", "basin")), default=3.0) / 2
        acc = accumulator_size(
            AccumulatorSizeIn.trusted(
                cut_in_kpa=p.cut_in_kpa,
                cut_out_kpa=p.cut_out_kpa,
                precharge_kpa=pre,
                accumulator_l=size,
                draw_flow_l_min=common,
                pump_flow_l_min=max(flow, 0.1),
            )
        )
        ctx.book.put_all("pump/accumulator", acc.working)
    return quick(
        PumpPart,
        flow_l_min=flow,
        pressure_kpa=kpa,
        current_a=current.value,
        energy_wh_day=energy.value,
        cycles_per_hour=acc.cycles_per_hour if acc else None,
        run_time_s=acc.run_time_s if acc else None,
        drawdown_l=acc.drawdown_l if acc else None,
    )
