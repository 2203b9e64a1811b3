"""Ducts and coolant loop of a design: what arrives in each zone, which outlet should feed which run, and how to throttle."""

from __future__ import annotations

import itertools
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from pydantic import BaseModel

from bothy.core.constants import G
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.warmth import CoolantLoop, Heater, LoopZone, WarmDuct
from bothy.core.figure import derived
from bothy.core.method.sources import Method
from bothy.core.warmth.air import RHO
from bothy.core.warmth.coolant import FLUIDS, HeatExchangerIn, HydronicLoopIn, HydronicLoopOut, convector_w, floor_w_m2, heat_exchanger, hydronic_loop
from bothy.core.warmth.ducts import BranchIn, Duct, DuctNetworkIn, DuctNetworkOut, Fitting, NetworkRunIn, arriving, best_assignment, duct_network, outlet_temp
from bothy.core.words.says import warmth_says as says

UNHEATED_SHARE = 0.5
"""A duct in an unheated place lies halfway between inside and outside (typical)."""
DAMPERS = ("none", "damper_20", "damper_30", "damper_45")
DAMPER_WORDS = {
    "none": says("no-damper"),
    "damper_0": says("damper-open"),
    "damper_20": says("damper-at"),
    "damper_30": says("damper-at-2"),
    "damper_45": says("damper-at-3"),
    "damper_60": says("damper-at-4"),
}
FEW_OUTLETS = 4
RATED_FLOW_TO_FREE = 1.2
BETTER = 0.05


class DuctPart(BaseModel):
    """One run at the design temperature: flow m³/h, temperatures, heat that arrives and that its zone needs from it, W."""

    flow_m3_h: float
    supply_c: float
    outlet_c: float | None
    delivered_w: float
    loss_w: float
    need_w: float
    shortfall_w: float
    trunk: bool


class LayoutPart(BaseModel):
    """The duct network as it is laid out, and what would be better."""

    total_flow_m3_h: float
    plenum_pa: float
    return_pa: float
    mean_supply_c: float
    delivered_w: float
    worst_shortfall_w: float
    best_outlets: dict[str, int]
    best_worst_w: float


class LoopZonePart(BaseModel):
    """One zone of the loop: heat at its supply, the flow for it, its own drop, what its valve must take, velocity."""

    heat_w: float
    flow_l_min: float
    drop_kpa: float
    throttle_kpa: float
    velocity_m_s: float


class LoopPart(BaseModel):
    """The coolant loop with all open zones at once."""

    heat_w: float
    flow_l_min: float
    head_m: float
    pump_head_m: float | None
    pump_ok: bool | None
    header_space_l: float
    hot_water_c: float | None
    hot_water_38_l_min: float | None
    zones: dict[str, LoopZonePart]


@dataclass
class Layout:
    """The solved ducts: the heater, network, what each run's zone needs."""

    heater: Heater
    network: DuctNetworkOut
    part: LayoutPart
    runs: dict[str, DuctPart]
    need: dict[str, float]
    power_w: float


def ambient_c(ctx: Context, d: WarmDuct) -> float:
    """The temperature round a duct at design."""
    if d.lies == "inside":
        return ctx.indoor_c
    return ctx.cold_c if d.lies == "outside" else ctx.cold_c + UNHEATED_SHARE * (ctx.indoor_c - ctx.cold_c)


def needs(ctx: Context, ducts: list[WarmDuct], zones: dict[str, float]) -> dict[str, float]:
    """What each end run has to bring: its zone's heat with the margin, shared by the zone's open runs. A zone without a run is left to the living
    space's runs."""
    parents = {d.parent for d in ducts}
    ends = [d for d in ducts if d.id not in parents and d.open]
    served = {d.zone for d in ends}
    spare = sum(w for z, w in zones.items() if z not in served)
    home = "living" if "living" in served else next(iter(served), None)
    out = {}
    for d in ends:
        whole = zones.get(d.zone, 0.0) + (spare if d.zone == home else 0.0)
        out[d.id] = whole * (1 + ctx.design.warmth.margin_frac) / sum(1 for e in ends if e.zone == d.zone)
    return out


def warmed_on_the_way(ctx: Context, need: dict[str, float], net: DuctNetworkOut) -> dict[str, float]:
    """What the runs still have to bring: the heat that ducts lose inside warms the living space, and is taken off its runs' needs by their shares."""
    ducts = ctx.design.warmth.ducts
    ends = {r.name: r.loss_w for r in net.runs}
    trunks = net.loss_w - sum(ends.values())
    inside = {d.id: d.lies == "inside" for d in ducts}
    lost = sum(w for id, w in ends.items() if inside[id]) + (trunks if all(inside[d.id] for d in ducts if d.id not in ends) else 0.0)
    zone_of = {d.id: d.zone for d in ducts}
    home = [id for id in need if zone_of[id] == "living"]
    whole = sum(need[id] for id in home)
    return {id: n - (min(lost, whole) * n / whole if id in home and whole > 0 else 0.0) for id, n in need.items()}


def _branch(ctx: Context, d: WarmDuct, by_parent: dict[str | None, list[WarmDuct]], need: dict[str, float]) -> dict[str, Any]:
    fittings = [Fitting.trusted(kind="bend_90", count=d.bends_90), Fitting.trusted(kind="bend_45", count=d.bends_45)]
    fittings += [Fitting.trusted(kind=k, count=1) for k in (d.joint, d.grille, d.damper) if k != "none"]
    return {
        "name": d.id,
        "diameter_mm": d.diameter_mm,
        "length_m": d.length_m,
        "fittings": fittings,
        "insulation_mm": d.insulation_mm,
        "ambient_temp_c": ambient_c(ctx, d),
        "open": d.open,
        "zone_temp_c": ctx.indoor_c,
        "need_w": need.get(d.id, 0.0),
        "branches": [BranchIn.trusted(**_branch(ctx, b, by_parent, need)) for b in by_parent.get(d.id, [])],
    }


def network_in(ctx: Context, h: Heater, ducts: list[WarmDuct], need: dict[str, float], power_w: float) -> DuctNetworkIn:
    """The ducts as the network solver takes them."""
    by_parent: dict[str | None, list[WarmDuct]] = {}
    for d in ducts:
        by_parent.setdefault(d.parent, []).append(d)
    biases = h.outlet_biases
    runs = [NetworkRunIn.trusted(temp_bias=biases[min(d.outlet, len(biases)) - 1], **_branch(ctx, d, by_parent, need)) for d in by_parent.get(None, [])]
    return DuctNetworkIn.trusted(
        fan_pressure_max_pa=h.fan_pressure_pa,
        fan_flow_max_m3_h=RATED_FLOW_TO_FREE * (h.air_flow_m3_h or 1.0),
        heater_power_w=power_w,
        return_temp_c=ctx.indoor_c,
        return_area_mm2=ctx.design.warmth.return_area_mm2,
        runs=runs,
    )


def _worst(ctx: Context, h: Heater, ducts: list[WarmDuct], need: dict[str, float], power_w: float) -> tuple[float, float]:
    n = duct_network(network_in(ctx, h, ducts, need, power_w))
    return n.worst_shortfall_w, sum(r.shortfall_w for r in n.runs)


def _reassigned(ctx: Context, h: Heater, ducts: list[WarmDuct], need: dict[str, float], power_w: float) -> dict[str, int]:
    """The outlet for each top run that leaves the least shortfall: outlet temperatures as they are now, flows kept."""
    top = [d for d in ducts if d.parent is None]
    count = len(h.outlet_biases)
    if len(top) > count or len(top) < 2 or len(set(h.outlet_biases)) < 2:
        return {d.id: d.outlet for d in top}
    best: dict[str, int] = {}
    if count <= FEW_OUTLETS:
        least = (float("inf"), float("inf"))
        for perm in itertools.permutations(range(1, count + 1), len(top)):
            moved = dict(zip((d.id for d in top), perm, strict=True))
            mark = _worst(ctx, h, with_outlets(ducts, moved), need, power_w)
            if mark[0] < least[0] - 1e-9 or (mark[0] <= least[0] + 1e-9 and mark[1] < least[1] - 1e-9):
                best, least = moved, mark
        return best
    now = duct_network(network_in(ctx, h, ducts, need, power_w))
    rise = now.mean_supply_temp_c - ctx.indoor_c
    costs = []
    for bias in h.outlet_biases:
        row = []
        for d in top:
            ends = [r for r in now.runs if r.name == d.id or r.name in _below(d.id, ducts)]
            m = RHO * sum(r.flow_m3_h for r in ends) / 3600
            t = (
                outlet_temp.raw(
                    ctx.indoor_c + bias * rise,
                    ambient_c(ctx, d),
                    Duct.trusted(diameter_mm=d.diameter_mm, length_m=d.length_m, insulation_mm=d.insulation_mm).ua,
                    d.length_m,
                    m,
                )
                if m > 0
                else ctx.indoor_c
            )
            row.append(max(0.0, sum(need.get(r.name, 0.0) for r in ends) - arriving.raw(m, t, ctx.indoor_c)))
        costs.append(row)
    return {d.id: o + 1 for d, o in zip(top, best_assignment(costs, "worst"), strict=True)}


def with_outlets(ducts: list[WarmDuct], outlets: Mapping[str, int]) -> list[WarmDuct]:
    """The ducts on other outlets of the heater."""
    return [d.model_copy(update={"outlet": outlets[d.id]}) if d.id in outlets else d for d in ducts]


def with_dampers(ducts: list[WarmDuct], dampers: Mapping[str, str]) -> list[WarmDuct]:
    """The ducts with other dampers."""
    return [d.model_copy(update={"damper": dampers[d.id]}) if d.id in dampers else d for d in ducts]


def best_dampers(ctx: Context, layout: Layout) -> tuple[dict[str, str], float]:
    """Damper settings by which the coldest run gets the most, and the worst shortfall with them: one step more on the run where it helps most, while
    it helps."""
    ducts, h, need, power_w = ctx.design.warmth.ducts, layout.heater, layout.need, layout.power_w
    parents = {d.parent for d in ducts}
    ends = [d.id for d in ducts if d.id not in parents and d.open]
    at: dict[str, str] = dict.fromkeys(ends, "none")
    least = _worst(ctx, h, with_dampers(ducts, at), need, power_w)
    for _ in range(len(ends) * len(DAMPERS) if len(ends) > 1 else 0):
        tried = []
        for id in ends:
            step = DAMPERS.index(at[id]) + 1
            if step < len(DAMPERS):
                other = {**at, id: DAMPERS[step]}
                tried.append((_worst(ctx, h, with_dampers(ducts, other), need, power_w), other))
        better = [t for t in tried if t[0] < (least[0] - 1.0, least[1])]
        if not better:
            break
        least, at = min(better, key=lambda t: t[0])
    return at, least[0]


def work_ducts(ctx: Context, zones: dict[str, float], needed_w: float, available_w: float) -> Layout | None:
    """The ducts at the design temperature, with what would be better. None without a heater that blows or without ducts."""
    w = ctx.design.warmth
    h = w.blower
    if h is None or not w.ducts:
        return None
    need = needs(ctx, w.ducts, zones)
    power = max(1.0, min(available_w, max(needed_w, h.min_w)))
    try:
        need = warmed_on_the_way(ctx, need, duct_network(network_in(ctx, h, w.ducts, need, power)))
        net = duct_network(network_in(ctx, h, w.ducts, need, power))
    except BadInput:
        return None
    parents = {d.parent for d in w.ducts}
    ends = {r.name: r for r in net.runs}
    runs = {}
    for d in w.ducts:
        r = ends.get(d.id)
        if r is not None:
            runs[d.id] = DuctPart(
                flow_m3_h=r.flow_m3_h,
                supply_c=r.supply_temp_c,
                outlet_c=r.outlet_temp_c,
                delivered_w=r.delivered_w,
                loss_w=r.loss_w,
                need_w=need.get(d.id, 0.0),
                shortfall_w=r.shortfall_w,
                trunk=False,
            )
        elif d.id in parents:
            below = [ends[e] for e in _below(d.id, w.ducts) if e in ends]
            runs[d.id] = DuctPart(
                flow_m3_h=sum(b.flow_m3_h for b in below),
                supply_c=max((b.supply_temp_c for b in below), default=ctx.indoor_c),
                outlet_c=None,
                delivered_w=sum(b.delivered_w for b in below),
                loss_w=0.0,
                need_w=0.0,
                shortfall_w=0.0,
                trunk=True,
            )
    better = _reassigned(ctx, h, w.ducts, need, power)
    part = LayoutPart(
        total_flow_m3_h=net.total_flow_m3_h,
        plenum_pa=net.plenum_pressure_pa,
        return_pa=net.return_pressure_pa,
        mean_supply_c=net.mean_supply_temp_c,
        delivered_w=net.delivered_w,
        worst_shortfall_w=net.worst_shortfall_w,
        best_outlets=better,
        best_worst_w=_worst(ctx, h, with_outlets(w.ducts, better), need, power)[0],
    )
    return Layout(h, net, part, runs, need, power)


def _below(id: str, ducts: list[WarmDuct]) -> list[str]:
    kids = [d.id for d in ducts if d.parent == id]
    return [e for k in kids for e in ([k, *_below(k, ducts)])]


ELBOW_K = 1.5


def emitter_w(loop: CoolantLoop, z: LoopZone, room_c: float) -> float:
    """Heat of an emitter at the loop's supply in W."""
    mean = loop.supply_c - loop.delta_t_k / 2
    if z.emitter == "fan_coil":
        return (z.ua_w_k or z.rated_w / 50) * max(0.0, mean - room_c)
    if z.emitter == "convector":
        return convector_w(z.rated_w, mean, room_c)
    if z.emitter == "floor":
        return (z.area_m2 or 1.0) * floor_w_m2(z.floor_c, room_c)
    return z.rated_w


def _zone_in(loop: CoolantLoop, z: LoopZone, heat_w: float) -> HydronicLoopIn:
    return HydronicLoopIn.trusted(
        heat_w=max(1.0, heat_w),
        fluid=loop.fluid,
        delta_t_k=loop.delta_t_k,
        pipe_inner_mm=loop.pipe_inner_mm,
        pipe_length_m=z.pipe_length_m,
        k_sum=ELBOW_K * z.elbows,
        component_drop_kpa=z.drop_kpa,
        mean_fluid_temp_c=loop.supply_c - loop.delta_t_k / 2,
    )


def work_loop(ctx: Context, source_w: float) -> LoopPart | None:
    """The coolant loop with every open zone at once: flows, heads, what each valve must take, hot water at its exchanger."""
    loop = ctx.design.warmth.loop
    if loop is None:
        return None
    open_ = [z for z in loop.zones if z.open]
    solved: dict[str, tuple[float, HydronicLoopOut]] = {}
    for z in open_:
        heat = emitter_w(loop, z, ctx.indoor_c)
        solved[z.id] = (heat, hydronic_loop(_zone_in(loop, z, heat)))
        ctx.book.put_all(f"loop-zones/{z.id}", solved[z.id][1].working)
    worst = max((o.pressure_drop_kpa for _, o in solved.values()), default=0.0)
    flow = sum(o.flow_l_min for _, o in solved.values())
    f = FLUIDS[loop.fluid]
    head = worst * 1000 / (f.rho * G)
    pump = (
        loop.pump_head_max_m * max(0.0, 1 - flow / loop.pump_flow_max_l_min)
        if loop.pump_head_max_m is not None and loop.pump_flow_max_l_min is not None
        else None
    )
    grows = f.beta * (85 - 10) * loop.volume_l
    water = next((z for z in open_ if z.emitter == "exchanger"), None)
    out_c, mixed = None, None
    if water is not None and solved[water.id][1].flow_l_min > 0:
        x = heat_exchanger(
            HeatExchangerIn.trusted(
                hot_in_temp_c=loop.supply_c,
                hot_flow_l_min=max(0.1, solved[water.id][1].flow_l_min),
                hot_fluid=loop.fluid,
                cold_in_temp_c=10.0,
                cold_flow_l_min=loop.hot_water_l_min,
                ua_w_k=water.ua_w_k or 500.0,
                source_power_w=source_w or None,
                mixed_temp_c=38.0,
            )
        )
        ctx.book.put_all("loop/exchanger", x.working)
        out_c, mixed = x.sustained_cold_out_temp_c, x.sustained_mixed_flow_l_min
        if source_w > 0 and mixed is None:
            mixed = source_w / (983 * 4185 * (38 - 10)) * 60000
    here, put = Method("warmth.coolant"), ctx.book.put
    put(
        "loop/flow_l_min",
        derived("flow_l_min", "Σ of the open zones", flow, here, **{f"zone_{i}_l_min": o.flow_l_min for i, (_, o) in enumerate(solved.values(), 1)}),
    )
    put("loop/head_m", derived("head_m", "largest drop/(ρ·g)", head, here, pressure_drop_kpa=worst, density_kg_m3=f.rho))
    if pump is not None:
        put(
            "loop/pump_head_m",
            derived(
                "pump_head_m",
                "h_max·(1 − Q/Q_max)",
                pump,
                here,
                pump_head_max_m=loop.pump_head_max_m or 0.0,
                flow_l_min=flow,
                pump_flow_max_l_min=loop.pump_flow_max_l_min or 0.0,
            ),
        )
    put("loop/header_space_l", derived("header_space_l", "1.5·β·75 K·V", 1.5 * grows, here, expansion_per_k=f.beta, volume_l=loop.volume_l))
    return LoopPart(
        heat_w=sum(h for h, _ in solved.values()),
        flow_l_min=flow,
        head_m=head,
        pump_head_m=pump,
        pump_ok=pump >= head if pump is not None else None,
        header_space_l=1.5 * grows,
        hot_water_c=out_c,
        hot_water_38_l_min=mixed,
        zones={
            id: LoopZonePart(
                heat_w=h, flow_l_min=o.flow_l_min, drop_kpa=o.pressure_drop_kpa, throttle_kpa=worst - o.pressure_drop_kpa, velocity_m_s=o.velocity_m_s
            )
            for id, (h, o) in solved.items()
        },
    )
