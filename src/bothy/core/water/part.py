"""Water in the report: litres and days, tanks, taps, hot water, filters, frost, care and tests (handbook 05)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import BadInput, quick
from bothy.core.design.water import HotWater, PipeRun, Pump, Water, WaterFilter, WaterTank
from bothy.core.figure import Figure, derived
from bothy.core.fluid import G, area_m2, k_of, loss_pa
from bothy.core.restraint import ACCELERATIONS
from bothy.core.water.accumulator import AccumulatorSizeIn, AccumulatorSizeOut, accumulator_size
from bothy.core.water.autonomy import Store, StoreIn, WaterAutonomyIn, WaterAutonomyOut, water_autonomy
from bothy.core.water.care import FilterIn, FilterLife, FilterLifeIn, SanitiseDoseIn, SanitiseDoseOut, filter_life, sanitise_dose
from bothy.core.water.crossover import AT_C, ENDS_K, BoxTank, TankCrossoverIn, tank_crossover
from bothy.core.water.demand import STYLES, WaterDemandIn, WaterDemandOut, water_demand
from bothy.core.water.frost import FreezeHoldIn, freeze_hold
from bothy.core.water.gauge import GaugeCalibrationIn, GaugeCalibrationOut, GaugeRow, gauge_calibration
from bothy.core.water.hold_test import PressureHoldTestIn, PressureHoldTestOut, pressure_hold_test
from bothy.core.water.hot import InstantHeatIn, MixedWaterIn, StorageHeatTimeIn, expansion_vessel_l, flowing_heat, instant_heat, mixed_water, storage_heat_time
from bothy.core.water.network import Run, Solved, Tree
from bothy.core.water.pipe import PumpPoint
from bothy.core.water.properties import FITTINGS, density, viscosity
from bothy.core.water.tank import LevelRow, Shape, TankVolumeIn, TankVolumeOut, slosh_hz, tank_volume
from bothy.core.water.waste import DrainTimeIn, drain_time, vent_pa

COLD_IN_C, SHOWER_C = 10.0, 38.0
HOSE_L_MIN = 40.0
"""What a fill hose brings, L/min."""
BARE_U, FOAM_K, PIPE_U = 12.0, 0.036, 12.0
WALL_MM = 2.0
PAIRS_OF = 8
MIN_VOLUME_L = 0.05


class GaugePart(BaseModel):
    """Signal by fill: share of the usable water, litres, level, signal; and the litres that it can't see."""

    unit: str
    rows: list[GaugeRow]
    blind_low_l: float
    blind_high_l: float
    problem: str | None


class TankPart(BaseModel):
    """A tank: litres, mass, heights over the vehicle's floor, vent, slosh, what its fixing must hold in N, and its gauge."""

    name: str
    holds: str
    problem: str | None
    full_l: float
    usable_l: float
    dead_l: float
    mass_full_kg: float
    cg_z_m: float
    bottom_z_m: float
    top_z_m: float
    outlet_z_m: float
    length_m: float
    height_m: float
    table: list[LevelRow]
    vent_pa: float | None
    slosh_hz: float
    undivided_m: float
    need_x_n: float
    need_y_n: float
    need_z_n: float
    gauge: GaugePart | None
    drain_min: float | None


class JoinPart(BaseModel):
    """Joined tanks: litres of all, what can be drawn, what stays behind, how far the levels part at the pump's draw."""

    name: str
    total_l: float
    usable_l: float
    unusable_l: float
    draw_difference_m: float
    balance_min: float | None


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


class HotPart(BaseModel):
    """Hot water: minutes to heat, shower it gives, energy and charge of one heating, losses; expansion and its vessel; seconds to a burn."""

    time_min: float | None
    max_c: float
    stored_wh: float | None
    charge_ah: float | None
    standing_w: float | None
    mixed_l: float | None
    shower_min: float | None
    endless: bool
    needed_w: float
    reachable_c: float | None
    expansion_l: float
    vessel_l: float | None
    burn: str | None


class FrostPart(BaseModel):
    """A part with water outside the heated body on the coldest night: hours to 0 °C and to ice, heat that holds it."""

    subject: str
    name: str
    litres: float
    to_zero_h: float | None
    to_ice_h: float | None
    hold_w: float
    hold_ah_day: float
    held: bool


class TestPart(BaseModel):
    """A pressure-hold test judged."""

    id: str
    name: str
    on: str
    who: str
    verdict: str
    reasons: list[str]
    corrected_drop_kpa: float
    allowed_drop_kpa: float
    leak_ml_h: float | None


class SanitisePart(BaseModel):
    """The dose for the whole system, its time and rinses."""

    system_l: float
    dose: float
    unit: str
    contact_min: float
    rinses: int
    rinse_l: float


class WaterPart(BaseModel):
    """All of water."""

    use_l_day: dict[str, float]
    total_l_day: float
    fresh_l_day: float
    grey_l_day: float
    target_days: float
    stores: list[Store]
    capacity_l: dict[str, float]
    flow_l_day: dict[str, float]
    limiting: str | None
    days: float | None
    tanks: dict[str, TankPart]
    joins: dict[str, JoinPart]
    taps: dict[str, TapPart]
    velocities: dict[str, float]
    pump: PumpPart | None
    hot: HotPart | None
    filters: dict[str, FilterLife]
    filter_kpa: float
    frost: list[FrostPart]
    sanitise: SanitisePart | None
    tests: list[TestPart]
    pipe_l: float
    drain_down_l: float
    mass_full_kg: float
    coldest_c: float


@dataclass
class Wet:
    """The sums behind the part, for the rules and the trip."""

    part: WaterPart
    demand: WaterDemandOut
    autonomy: WaterAutonomyOut | None
    tanks: dict[str, tuple[Shape, TankVolumeOut]]
    said_pump_wh: float | None = None
    loop_l_min: float | None = None


BURNS = ((48, "15 min"), (50, "5 min"), (52, "2 min"), (55, "30 s"), (57, "10 s"), (60, "5 s"), (66, "2 s"), (70, "1 s"))


def burn_time(temp_c: float) -> str | None:
    """Time to a serious burn of adult skin; a child's is about half (handbook 05 §4.9, typical)."""
    found = [t for c, t in BURNS if temp_c >= c]
    return found[-1] if found else None


@lru_cache(maxsize=256)
def _volume(key: str) -> TankVolumeOut:
    return tank_volume(TankVolumeIn.model_validate_json(key))


def worked_tank(t: WaterTank) -> TankVolumeOut:
    """A tank's volumes. Raises :class:`BadInput`."""
    made = TankVolumeIn.trusted(prisms=t.prisms, max_level_z_m=t.max_level_z_m, outlet_z_m=t.outlet_z_m, tank_mass_kg=t.tank_mass_kg, steps_count=20)
    return _volume(made.model_dump_json(exclude_none=True))


def _long(t: WaterTank) -> float:
    return max((p.length_m or p.diameter_m or 0.0) for p in t.prisms)


def _tank(t: WaterTank, g: tuple[float, float, float, float]) -> tuple[TankPart, tuple[Shape, TankVolumeOut] | None]:
    try:
        v = worked_tank(t)
    except BadInput as e:
        none = quick(TankPart, name=t.name, holds=t.holds, problem=e.message, full_l=0.0, usable_l=0.0, dead_l=0.0, mass_full_kg=t.tank_mass_kg, cg_z_m=t.z_m, bottom_z_m=t.z_m, top_z_m=t.z_m, outlet_z_m=t.z_m,
                     length_m=_long(t), height_m=0.1, table=[], vent_pa=None, slosh_hz=0.0, undivided_m=0.0, need_x_n=0.0, need_y_n=0.0, need_z_n=0.0, gauge=None, drain_min=None)  # fmt: skip
        return none, None
    shape = Shape(t.prisms)
    height = v.top_z_m - v.bottom_z_m
    undivided = t.undivided_m or _long(t)
    weight = v.mass_full_kg * G
    part = quick(
        TankPart, name=t.name, holds=t.holds, problem=None, full_l=v.full_l, usable_l=v.usable_l, dead_l=v.dead_l, mass_full_kg=v.mass_full_kg, cg_z_m=t.z_m + v.cg_z_full_m,
        bottom_z_m=t.z_m + v.bottom_z_m, top_z_m=t.z_m + v.top_z_m, outlet_z_m=t.z_m + (v.bottom_z_m if t.outlet_z_m is None else t.outlet_z_m), length_m=_long(t), height_m=height,
        table=v.table, vent_pa=vent_pa(HOSE_L_MIN if t.fill_by == "hose" else HOSE_L_MIN / 4, t.vent_mm, t.vent_length_m) if t.vent_mm else None,
        slosh_hz=slosh_hz(undivided, max(0.02, height / 2)), undivided_m=undivided, need_x_n=weight * g[0], need_y_n=weight * g[1], need_z_n=weight * g[3], gauge=_gauge(t), drain_min=_drain_min(t, v),
    )  # fmt: skip
    return part, (shape, v)


def _drain_min(t: WaterTank, v: TankVolumeOut) -> float | None:
    """Minutes until a full tank has run out through its drain, as a box of its height and litres; None without a drain's bore."""
    height = v.top_z_m - v.bottom_z_m
    if t.drain_mm is None or height <= 0 or v.full_l <= 0:
        return None
    return drain_time(DrainTimeIn.trusted(area_m2=v.full_l / 1000 / height, level_m=height, inner_diameter_mm=t.drain_mm)).time_min


def _gauge(t: WaterTank) -> GaugePart | None:
    return _gauge_of(t.model_dump_json(include={"prisms", "max_level_z_m", "outlet_z_m", "sender"})) if t.sender is not None else None


@lru_cache(maxsize=256)
def _gauge_of(key: str) -> GaugePart | None:
    t = WaterTank.model_validate_json(f'{{"id":"t",{key[1:]}')
    s = t.sender
    if s is None:
        return None
    unit = {"resistive": "Ω", "voltage": "V", "stepped": "steps"}[s.kind]
    common = {"prisms": t.prisms, "max_level_z_m": t.max_level_z_m, "outlet_z_m": t.outlet_z_m, "sender_type": s.kind, "fill_fracs": [0, 0.25, 0.5, 0.75, 1]}
    if s.kind == "stepped":
        inp = GaugeCalibrationIn.trusted(**common, step_z_m=s.step_z_m)
    else:
        inp = GaugeCalibrationIn.trusted(
            **common, empty_signal=s.empty_signal, full_signal=s.full_signal, sender_empty_z_m=s.empty_z_m, sender_full_z_m=s.full_z_m, cable_resistance_ohm=s.cable_resistance_ohm
        )  # fmt: skip
    try:
        out: GaugeCalibrationOut = gauge_calibration(inp)
    except BadInput as e:
        return quick(GaugePart, unit=unit, rows=[], blind_low_l=0.0, blind_high_l=0.0, problem=e.message)
    return quick(
        GaugePart, unit=unit, rows=out.table, blind_low_l=out.blind_low_l, blind_high_l=out.blind_high_l, problem=None
    )  # fmt: skip


def _joins(w: Water, tanks: dict[str, TankPart], shapes: dict[str, tuple[Shape, TankVolumeOut]], draw_l_min: float) -> dict[str, JoinPart]:
    out: dict[str, JoinPart] = {}
    by = {t.id: t for t in w.tanks}
    for j in w.joins:
        if any(t not in shapes for t in j.tanks):
            continue
        first = tanks[j.tanks[0]]
        total = sum(tanks[t].full_l for t in j.tanks)
        usable = first.usable_l
        for t in j.tanks[1:]:
            shape, v = shapes[t]
            stays = max(j.z_m, first.outlet_z_m) - by[t].z_m
            usable += max(0.0, v.full_l - shape.litres(max(stays, v.bottom_z_m)))
        boxes = []
        for t in j.tanks:
            p = tanks[t]
            boxes.append(BoxTank.trusted(area_m2=max(1e-3, p.full_l / 1000 / p.height_m), floor_z_m=p.bottom_z_m, height_m=p.height_m, level_z_m=p.top_z_m))
        areas = sum(b.area_m2 for b in boxes)
        through = draw_l_min * (areas - boxes[0].area_m2) / areas / 60000  # all that the other tanks give passes the pipe
        rho = density(AT_C)
        difference = loss_pa(through, j.inner_diameter_mm, j.length_m, ENDS_K, rho, viscosity(AT_C)) / (rho * G)
        balance = None
        if all(j.z_m < b.top for b in boxes[:2]):
            half = [boxes[0], boxes[1].model_copy(update={"level_z_m": boxes[1].floor_z_m})]
            balance = tank_crossover(
                TankCrossoverIn.trusted(tanks=half, crossover_z_m=j.z_m, inner_diameter_mm=j.inner_diameter_mm, length_m=j.length_m)
            ).equalise_time_min
        out[j.id] = quick(JoinPart, name=j.name, total_l=total, usable_l=usable, unusable_l=total - usable, draw_difference_m=difference, balance_min=balance)
    return out


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


def _taps(w: Water) -> tuple[dict[str, TapPart], dict[str, float], dict[str, Solved]]:
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
            TapPart, name=r.name, wanted_l_min=r.wanted_l_min, alone_l_min=s.flow_l_min[r.id], shared_l_min=shared, shared_with=other, velocity_m_s=s.velocity_m_s[r.id]
        )  # fmt: skip
    every = [*alone.values(), *pairs.values()]
    return taps, {r.id: max((s.velocity_m_s[r.id] for s in every), default=0.0) for r in w.runs}, alone


def highest_velocities(w: Water) -> dict[str, float]:
    """The fastest that water runs in each run, with each outlet alone and any two open, m/s."""
    return _taps(w)[1]


def _pump(ctx: Context, w: Water, p: Pump, alone: dict[str, Solved], litres: float) -> PumpPart:
    most = max(alone.values(), key=lambda s: s.total_l_min, default=None)
    flow, kpa = (most.total_l_min, most.pump_kpa) if most else (0.0, p.points[0].pressure_kpa)
    flow_f = ctx.book.put(
        "water/pump_flow_l_min", derived("flow_l_min", "pump’s curve against the runs, the outlet that draws most", flow, "handbook 05 §3.7", pressure_kpa=kpa)
    )
    kpa_f = ctx.book.put("water/pump_pressure_kpa", derived("pressure_kpa", "pump’s curve at that flow", kpa, "handbook 05 §3.7", flow_l_min=flow_f))
    current = ctx.book.put("water/pump_current_a", derived("current_a", "Q·p/(60·η·U)", flow * kpa / (60 * p.efficiency_frac * ctx.bank_v), "handbook 05 §3.7; η typical of small diaphragm pumps",
                           flow_l_min=flow_f, pressure_kpa=kpa_f, efficiency_frac=p.efficiency_frac, bank_voltage_v=ctx.bank_v))  # fmt: skip
    energy = ctx.book.put("water/pump_energy_wh", derived("energy_wh", "I·U·litres/(60·Q)", current.value * ctx.bank_v * litres / (60 * flow) if flow > 0 else 0.0, "handbook 05 §3.7",
                          current_a=current, fresh_tank_l_day=litres, flow_l_min=flow_f))  # fmt: skip
    acc: AccumulatorSizeOut | None = None
    if p.cut_in_kpa is not None and p.cut_out_kpa is not None and p.cut_out_kpa > p.cut_in_kpa:
        size = p.accumulator_l if p.accumulator_l is not None else MIN_VOLUME_L
        pre = p.precharge_kpa if p.precharge_kpa is None or p.precharge_kpa <= p.cut_in_kpa else p.cut_in_kpa
        common = min((r.wanted_l_min for r in w.runs if r.outlet in ("sink", "basin")), default=3.0) / 2
        acc = accumulator_size(
            AccumulatorSizeIn.trusted(cut_in_kpa=p.cut_in_kpa, cut_out_kpa=p.cut_out_kpa, precharge_kpa=pre, accumulator_l=size, draw_flow_l_min=common, pump_flow_l_min=max(flow, 0.1))
        )  # fmt: skip
    return quick(
        PumpPart, flow_l_min=flow, pressure_kpa=kpa, current_a=current.value, energy_wh_day=energy.value, cycles_per_hour=acc.cycles_per_hour if acc else None, run_time_s=acc.run_time_s if acc else None,
        drawdown_l=acc.drawdown_l if acc else None,
    )  # fmt: skip


def _hot(ctx: Context, h: HotWater, shower_l_min: float, loop_l_min: float | None) -> HotPart:
    put = ctx.book.put
    needed = put("water/shower_heat_w", flowing_heat(shower_l_min, SHOWER_C - COLD_IN_C).named("heat of the shower"))
    out, vessel = expansion_vessel_l(h.volume_l if h.kind == "storage" else 0.5, COLD_IN_C, h.max_c, 200.0, h.relief_kpa or 600.0)
    if h.kind == "instant" and h.source == "loop":
        gives = loop_l_min or 0.0
        reach = COLD_IN_C + (SHOWER_C - COLD_IN_C) * gives / shower_l_min if shower_l_min > 0 else None
        return quick(HotPart, time_min=None, max_c=h.max_c, stored_wh=None, charge_ah=None, standing_w=None, mixed_l=None, shower_min=None, endless=reach is not None and reach >= SHOWER_C,
                     needed_w=needed.value, reachable_c=reach, expansion_l=out, vessel_l=vessel, burn=burn_time(h.max_c))  # fmt: skip
    if h.kind == "instant":
        able = instant_heat(
            InstantHeatIn.trusted(
                solve_for="flow", inlet_temp_c=COLD_IN_C, efficiency_frac=h.efficiency_frac, outlet_temp_c=SHOWER_C, heat_input_w=max(1.0, h.heat_w)
            )
        )
        reach = COLD_IN_C + h.heat_w * h.efficiency_frac * (SHOWER_C - COLD_IN_C) / needed.value if needed.value > 0 else None
        put("water/warm_flow_l_min", able.figure("flow_l_min").named("flow at 38 °C"))
        return quick(HotPart, time_min=None, max_c=h.max_c, stored_wh=None, charge_ah=None, standing_w=None, mixed_l=None, shower_min=None, endless=reach is not None and reach >= SHOWER_C,
                     needed_w=needed.value, reachable_c=reach, expansion_l=out, vessel_l=vessel, burn=burn_time(h.max_c))  # fmt: skip
    burner = h.heat_w if h.source in ("gas", "diesel", "gas_element") else 0.0
    element = h.element_w if h.element else 0.0
    electric = h.source == "element"
    start = min(COLD_IN_C, h.target_temp_c - 1)
    time = storage_heat_time(StorageHeatTimeIn.trusted(
        volume_l=h.volume_l, start_temp_c=start, target_temp_c=h.target_temp_c, ambient_temp_c=15.0, loss_w_k=h.loss_w_k, heat_w=burner if burner else element, coil_ua_w_k=h.coil_ua_w_k if h.coil else 0.0,
        coolant_temp_c=h.coolant_temp_c, coolant_flow_l_min=h.coolant_flow_l_min, supply="other" if not electric or h.element_supply == "shore" else h.element_supply, battery_voltage_v=ctx.bank_v))  # fmt: skip
    mixed = None
    if h.target_temp_c > SHOWER_C:
        mixed = mixed_water(
            MixedWaterIn.trusted(
                hot_volume_l=h.volume_l, hot_temp_c=h.target_temp_c, cold_temp_c=COLD_IN_C, mix_temp_c=SHOWER_C, mix_flow_l_min=max(0.5, shower_l_min)
            )
        )
        if mixed.mixed_volume_l is not None:
            put("water/mixed_l", mixed.figure("mixed_volume_l").named("water at 38 °C"))
            put("water/shower_min", mixed.figure("shower_time_min").named("shower it gives"))
    for key, label in (
        ("time_min", "time to heat"),
        ("stored_energy_wh", "heat in the boiler"),
        ("standing_loss_w", "standing loss"),
        ("battery_charge_ah", "charge of one heating"),
    ):
        if getattr(time, key) is not None:
            put(f"water/{key}", time.figure(key).named(label))
    return quick(
        HotPart, time_min=time.time_min, max_c=h.max_c, stored_wh=time.stored_energy_wh, charge_ah=time.battery_charge_ah, standing_w=time.standing_loss_w, mixed_l=mixed.mixed_volume_l if mixed else None,
        shower_min=mixed.shower_time_min if mixed else None, endless=bool(mixed and mixed.endless), needed_w=needed.value, reachable_c=None, expansion_l=out, vessel_l=vessel, burn=burn_time(h.max_c),
    )  # fmt: skip


def pipe_litres(r: PipeRun) -> float:
    """Water in a run."""
    return 1000 * area_m2(r.inner_diameter_mm) * r.length_m


def tank_ua(full_l: float, foam_mm: float) -> float:
    """W/K of a tank outside the body, by its volume (a box of 2 : 1.3 : 1) and foam; typical."""
    side = float((full_l / 1000 / 2.6) ** (1 / 3))
    area = side * side * 2 * (2 * 1.3 + 2 + 1.3)
    return area / (1 / BARE_U + foam_mm / 1000 / FOAM_K)


@dataclass(frozen=True, slots=True)
class WetPart:
    """A part with water outside the heated body: half a tank's litres or a pipe's, W/K to the air, its heater in W."""

    subject: str
    name: str
    litres: float
    loss_w_k: float
    heater_w: float


def wet_parts(w: Water, tanks: Mapping[str, TankPart]) -> list[WetPart]:
    """Tanks, half full, and pipes that lie outside the heated body."""
    out = [
        WetPart(f"tank:{t.id}", t.name, tanks[t.id].full_l / 2, tank_ua(tanks[t.id].full_l, t.foam_mm), t.heater_w)
        for t in w.tanks
        if t.place != "inside" and t.id in tanks and tanks[t.id].full_l > 0
    ]
    for r in w.runs:
        if r.place != "inside" and r.length_m > 0:
            out.append(WetPart(f"pipe:{r.id}", r.name, pipe_litres(r), PIPE_U * math.pi * (r.inner_diameter_mm + 2 * WALL_MM) / 1000 * r.length_m, 0.0))
    return out


def _frost(ctx: Context, w: Water, tanks: dict[str, TankPart]) -> list[FrostPart]:
    cold = ctx.coldest_night().value
    if cold >= 0:
        return []
    out = []
    for p in wet_parts(w, tanks):
        f = freeze_hold(FreezeHoldIn.trusted(volume_l=p.litres, outside_temp_c=cold, loss_w_k=p.loss_w_k, heater_w=p.heater_w, battery_voltage_v=ctx.bank_v))
        ctx.book.put(f"frost/{p.subject.replace(':', '/')}/hold_heat_w", f.figure("hold_heat_w").named(f"heat that holds {p.name}"))
        out.append(quick(FrostPart, subject=p.subject, name=p.name, litres=p.litres, to_zero_h=f.time_to_zero_h, to_ice_h=f.time_to_ice_h, hold_w=f.hold_heat_w, hold_ah_day=f.hold_charge_ah_day,
                         held=f.time_to_zero_h is None))  # fmt: skip
    return out


def demand_of(ctx: Context) -> WaterDemandOut:
    """Litres a day of a design."""
    u, t = ctx.design.water.use, ctx.design.water.toilet
    said = {k: v for k, v in u.model_dump(exclude={"style", "target_days"}).items() if v is not None}
    toilet = {"toilet_type": t.kind, "toilet_home_frac": t.home_frac, **({"flush_l": t.flush_l} if t.flush_l is not None else {}),
              **({"flushes_person_day": t.flushes_person_day} if t.flushes_person_day is not None else {})} if t else {"toilet_type": "none"}  # fmt: skip
    return water_demand(
        WaterDemandIn.trusted(persons_count=max(1, int(ctx.people)), style=u.style, **said, **toilet), {"persons_count": ctx.figure("/life/people")}
    )


def _stores(w: Water, d: WaterDemandOut, tanks: dict[str, TankPart], joins: dict[str, JoinPart]) -> list[StoreIn]:
    """Capacities and flows of all stores that a design has or needs."""
    joined = {t for j in w.joins if j.id in joins for t in j.tanks}

    def tank_store(holds: str) -> tuple[float, float]:
        mine = [t for t in w.tanks if t.holds == holds]
        full = sum(tanks[t.id].full_l for t in mine)
        free = sum(tanks[t.id].usable_l for t in mine if t.id not in joined)
        return full, free + sum(joins[j.id].usable_l for j in w.joins if j.id in joins and any(t.id == j.tanks[0] for t in mine))

    out: list[StoreIn] = []

    def supply(name: str, flow: float, jugs: float) -> None:
        full, usable = tank_store(name)
        full, usable = full + jugs, usable + jugs
        if flow > 0 or full > 0:
            out.append(StoreIn.trusted(name=name, capacity_l=full, flow_l_day=flow, usable_frac=min(1.0, max(1e-6, usable / full)) if full > 0 else 1.0))

    supply("fresh", d.fresh_tank_l_day, w.jug_l * w.jug_count)
    supply("drinking", d.drinking_store_l_day, w.drinking_jug_l)
    if w.grey_to != "ground":
        full = tank_store("grey")[0] if w.grey_to == "tank" else w.container_l
        out.append(StoreIn.trusted(name="grey", capacity_l=full, flow_l_day=d.grey_l_day))
    t = w.toilet
    if t is not None and t.kind not in ("none", "bag"):
        many = 1 + t.spare
        black = tank_store("black")[0] or t.capacity_l
        for name, capacity, flow in (("cassette", t.capacity_l * many, d.cassette_l_day), ("black", black, d.black_l_day), ("urine", t.capacity_l * many, d.urine_l_day),
                                     ("solids", t.solids_l, d.solids_l_day if t.kind == "separating" else 0.0)):  # fmt: skip
            if flow > 0:
                out.append(StoreIn.trusted(name=name, capacity_l=capacity, flow_l_day=flow))
    return out


def _sanitise(ctx: Context, w: Water, system_l: float) -> SanitisePart | None:
    if system_l <= 0:
        return None
    c = w.care
    ct = c.ct_mg_min_l or (12000.0 if ctx.design.region == "us" and c.target_mg_l < 100 else 6000.0 if ctx.design.region == "us" else 3000.0)
    s: SanitiseDoseOut = sanitise_dose(SanitiseDoseIn.trusted(system_volume_l=system_l, target_mg_l=c.target_mg_l, product_type=c.product, strength_frac=c.strength_frac, tablet_mg=c.tablet_mg,
                                                              strength_remaining_frac=c.remaining_frac, ct_mg_min_l=ct))  # fmt: skip
    key, unit = {"liquid": ("dose_ml", "mL"), "solid": ("dose_g", "g"), "tablet": ("tablet_count", "tablets")}[c.product]
    ctx.book.put("water/dose", s.figure(key).named("dose"))
    ctx.book.put("water/contact_time_min", s.figure("contact_time_min").named("contact time"))
    return quick(
        SanitisePart, system_l=system_l, dose=float(getattr(s, key)), unit=unit, contact_min=s.contact_time_min, rinses=s.rinse_count, rinse_l=s.rinse_water_l
    )


def _tests(w: Water) -> list[TestPart]:
    out = []
    for t in w.tests:
        r: PressureHoldTestOut = pressure_hold_test(PressureHoldTestIn.trusted(**t.model_dump(exclude={"id", "name", "on", "who"})))
        out.append(
            quick(
                TestPart,
                id=t.id,
                name=t.name,
                on=t.on,
                who=t.who,
                verdict=r.verdict,
                reasons=r.reasons,
                corrected_drop_kpa=r.corrected_drop_kpa,
                allowed_drop_kpa=r.allowed_drop_kpa,
                leak_ml_h=r.leak_ml_h,
            )
        )
    return out


def water_part(ctx: Context, said_wh: Mapping[str, float] | None = None, loop_l_min: float | None = None) -> Wet:
    """Water of a design, with its figures in the book; ``said_wh``: what each appliance of Life uses in a day, Wh; ``loop_l_min``: what the plate exchanger of Warmth's loop gives at 38 °C."""
    w = ctx.design.water
    d = demand_of(ctx)
    put = ctx.book.put
    for key, label in (("total_l_day", "water a day"), ("fresh_tank_l_day", "of it from the fresh tank"), ("grey_l_day", "grey water a day")):
        put(f"water/{key}", d.figure(key).named(label))
    for use, value in d.use_l_day.items():
        if value > 0:
            put(f"water/use/{use}", d.figure(f"use_l_day/{use}"))
    g = ACCELERATIONS[w.restraint_school]
    tanks: dict[str, TankPart] = {}
    shapes: dict[str, tuple[Shape, TankVolumeOut]] = {}
    for t in w.tanks:
        tanks[t.id], known = _tank(t, g)
        if known is not None:
            shapes[t.id] = known
            for key in ("full_l", "usable_l", "dead_l", "mass_full_kg"):
                put(f"tanks/{t.id}/{key}", known[1].figure(key))
    taps, velocities, alone = _taps(w)
    joins = _joins(w, tanks, shapes, max((s.total_l_min for s in alone.values()), default=8.0))
    stores = _stores(w, d, tanks, joins)
    target = w.use.target_days if w.use.target_days is not None else max(1.0, float(ctx.nights))
    auto: WaterAutonomyOut | None = None
    if stores and w.begun:
        sources: dict[str, Figure] = {"fresh_flow_l_day": d.figure("fresh_tank_l_day"), "grey_flow_l_day": d.figure("grey_l_day")}
        auto = water_autonomy(WaterAutonomyIn.trusted(target_days=target, stores=stores), sources)
        if auto.autonomy_days is not None:
            put("water/autonomy_days", auto.figure("autonomy_days").named("days of water"))
    pipe_l = sum(pipe_litres(r) for r in w.runs)
    fresh_l = sum(tanks[t.id].full_l for t in w.tanks if t.holds in ("fresh", "drinking"))
    heater_l = w.hot.volume_l if w.hot and w.hot.kind == "storage" else 0.0
    life = None
    if w.filters:
        life = filter_life(FilterLifeIn.trusted(flow_l_day=d.fresh_tank_l_day, flow_l_min=max([8.0] if not alone else [s.total_l_min for s in alone.values()] or [8.0]), filters=[
            FilterIn.trusted(name=f.id, rated_l=f.rated_l, rated_months=f.rated_months, rated_flow_l_min=f.rated_flow_l_min, clean_kpa=f.clean_kpa) for f in w.filters]))  # fmt: skip
    at_most = next((taps[r.id].alone_l_min for r in w.runs if r.outlet == "shower" and r.id in taps), None) or 99.0
    shower = min(at_most, w.use.shower_flow_l_min or STYLES[w.use.style].shower_flow_l_min)
    part = quick(
        WaterPart, use_l_day=d.use_l_day, total_l_day=d.total_l_day, fresh_l_day=d.fresh_tank_l_day, grey_l_day=d.grey_l_day, target_days=target, stores=auto.stores if auto else [],
        capacity_l={s.name: s.capacity_l for s in stores}, flow_l_day={s.name: s.flow_l_day for s in stores}, limiting=auto.limiting if auto else None, days=auto.autonomy_days if auto else None, tanks=tanks, joins=joins, taps=taps,
        velocities=velocities, pump=_pump(ctx, w, w.pump, alone, d.fresh_tank_l_day) if w.pump else None, hot=_hot(ctx, w.hot, shower, loop_l_min) if w.hot else None,
        filters={f.name: f for f in life.filters} if life else {}, filter_kpa=life.total_drop_kpa if life else 0.0, frost=_frost(ctx, w, tanks), sanitise=_sanitise(ctx, w, fresh_l + pipe_l + heater_l) if fresh_l > 0 else None,
        tests=_tests(w), pipe_l=pipe_l, drain_down_l=fresh_l + pipe_l + heater_l, mass_full_kg=sum(t.mass_full_kg for t in tanks.values()), coldest_c=ctx.coldest_night().value,
    )  # fmt: skip
    line = w.pump.appliance if w.pump else None
    return Wet(part, d, auto, shapes, said_wh.get(line) if said_wh and line else None, loop_l_min)
