"""Findings of ducts and the coolant loop (method warmth.heat-loss)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.design.warmth import WarmDuct
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.warmth.coolant import FLOOR_MOST_C, FLUIDS
from bothy.core.warmth.layout import DuctPart, Layout
from bothy.core.warmth.part import Warm
from bothy.core.warmth.rule_table import Found
from bothy.core.words.says import warmth_says as says

ROOM_EMITTERS = ("fan_coil", "convector", "floor")
"""Emitters of the loop that warm a room; the others warm water."""
SUPPLY_HOT_C, LOSS_PART, FABRIC_C = 110.0, 0.25, 60.0
MOST_LEN_M = {60: 5.0, 75: 8.0, 100: 8.0}
SOURCES = {"gas_locker": says("gas-locker"), "engine": says("engine-space"), "outside": "outside"}


def _of_duct(ctx: Context, x: WarmDuct, r: DuctPart) -> Found:
    """What they say of a duct to an outlet."""
    if r.shortfall_w > 0.1 * r.need_w and r.shortfall_w > 20:
        yield finding("warm-duct-shortfall", f"duct:{x.id}", x.name, says("that-needed-here-arrive", need_w=r.need_w, delivered_w=r.delivered_w))
    bare = x.insulation_mm < 5 and x.lies != "inside"
    lost = r.loss_w / (r.loss_w + r.delivered_w) if r.loss_w + r.delivered_w > 0 else 0.0
    if x.lies != "inside" and (lost > LOSS_PART or bare):
        yield finding(
            "warm-duct-loss",
            f"duct:{x.id}",
            x.name,
            says("duct-loses-on-way", loss_w=r.loss_w, lost=lost),
            fix=_duct_fix(ctx, x.id, says("insulate-with-sleeve"), insulation_mm=13.0) if x.insulation_mm < 13 else None,
        )
    most = next((m for dia, m in MOST_LEN_M.items() if x.diameter_mm <= dia), 8.0)
    crooked = []
    if x.length_m > most:
        crooked.append(says("duct-long-at-should", length_m=x.length_m, diameter_mm=x.diameter_mm, most_m=most))
    if x.bends_90 > 3:
        crooked.append(says("duct-has-bends-should", bends_90=x.bends_90))
    if x.bend_radius_mm is not None and x.bend_radius_mm < x.diameter_mm:
        crooked.append(says("duct-bent-to-radius", bend_radius_mm=x.bend_radius_mm, diameter_mm=x.diameter_mm))
    if crooked:
        yield finding("warm-duct-long", f"duct:{x.id}", x.name, "; ".join(crooked)[0].upper() + "; ".join(crooked)[1:] + ".")
    if r.supply_c > FABRIC_C and x.to_fabric_mm is not None and x.to_fabric_mm < 200:
        yield finding(
            "warm-grille-fabric",
            f"duct:{x.id}",
            x.name,
            says("air-leaves-from-fabric", supply_c=r.supply_c, to_fabric_mm=x.to_fabric_mm),
        )


def _of_layout(ctx: Context, layout: Layout) -> Found:
    """Air too hot, a better choice of outlets, a return that is too small."""
    d, lay = ctx.design.warmth, layout.part
    hottest = max((r.supply_c for r in layout.runs.values()), default=0.0)
    if max(hottest, lay.mean_supply_c) > SUPPLY_HOT_C:
        yield finding(
            "warm-duct-hot",
            "ducts",
            says("ducts"),
            says("air-in-ducts-gets", hottest_c=max(hottest, lay.mean_supply_c), total_flow_m3_h=lay.total_flow_m3_h, supply_hot_c=SUPPLY_HOT_C),
            figures=["ducts/mean_supply_temp_c"],
        )
    if lay.best_worst_w < lay.worst_shortfall_w * 0.95 - 1:
        moved = [x for x in d.ducts if x.id in lay.best_outlets and lay.best_outlets[x.id] != x.outlet]
        fix = Remedy(label=says("change-outlets"), patch=[op for x in moved for op in _duct_fix_ops(ctx, x.id, outlet=lay.best_outlets[x.id])])
        yield finding(
            "warm-duct-assignment",
            "ducts",
            says("ducts"),
            says("coldest-zone-lacks-with", worst_shortfall_w=lay.worst_shortfall_w)
            + ", ".join(says("on-outlet", x_name=x.name, best_outlets=lay.best_outlets[x.id]) for x in moved)
            + says("lacks", best_worst_w=lay.best_worst_w),
            fix=fix,
        )
    if lay.return_pa > 0.15 * lay.plenum_pa:
        yield finding(
            "warm-return-small",
            "ducts",
            says("return-air"),
            says("return-takes-that-fan", return_pa=lay.return_pa, plenum_pa=lay.plenum_pa)
            if lay.return_pa <= lay.plenum_pa
            else says("to-draw-all-air", return_pa=lay.return_pa, plenum_pa=lay.plenum_pa),
        )


def duct_findings(ctx: Context, w: Warm) -> Found:
    """What they say of the ducts."""
    d = ctx.design.warmth
    h = d.blower
    if d.return_from != "living":
        yield finding(
            "warm-return-source",
            "ducts",
            says("return-air"),
            says("heater-draws-air-from", sources=SOURCES[d.return_from]),
        )
    if not d.ducts:
        return
    if h is None:
        yield finding("warm-duct-shortfall", "ducts", says("ducts"), says("there-ducts-and-no"))
        return
    begin, outlets = len([x for x in d.ducts if x.parent is None]), len(h.outlet_biases)
    if begin > outlets:
        has = says("outlet", outlets=outlets)
        yield finding("warm-duct-shortfall", "ducts", says("ducts"), says("at-heater-begin-runs", begin=begin, has=has))
    if w.layout is None:
        yield finding("warm-duct-closable", "ducts", says("ducts"), says("every-outlet-closed-air"))
        return
    ends = [x for x in d.ducts if x.id in w.layout.runs and not w.layout.runs[x.id].trunk]
    if ends and all(x.closable for x in ends):
        yield finding("warm-duct-closable", "ducts", says("ducts"), says("every-outlet-can-be"))
    for x in ends:
        yield from _of_duct(ctx, x, w.layout.runs[x.id])
    yield from _of_layout(ctx, w.layout)


def _duct_fix_ops(ctx: Context, id: str, **values: object) -> list[dict[str, object]]:
    i = next(n for n, x in enumerate(ctx.design.warmth.ducts) if x.id == id)
    return Remedy.sets("", f"/warmth/ducts/{i}", id, **values).patch


def _duct_fix(ctx: Context, id: str, label: str, **values: object) -> Remedy:
    return Remedy(label=label, patch=_duct_fix_ops(ctx, id, **values))


def _loop_heat(ctx: Context, w: Warm) -> Found:
    """Whether the coolant's heat comes from somewhere and gets into the room."""
    d, p = ctx.design.warmth, w.part.loop
    coolant = [h for h in d.heaters if h.kind == "coolant"]
    open_ = [z for z in d.loop.zones if z.open] if d.loop is not None else []
    if coolant and not open_:
        h = coolant[0]
        message = says("coolant-heater-no-loop") if d.loop is None else says("loop-no-open-zone", h_name=h.name)
        yield finding("warm-loop-heat", f"heater:{h.id}", h.name, message)
    elif d.loop is not None and not coolant:
        yield finding("warm-loop-heat", "loop", says("coolant-loop"), says("loop-nothing-heats"))
    elif coolant and p is not None:
        warms = sum(p.zones[z.id].heat_w for z in open_ if z.emitter in ROOM_EMITTERS)
        given = {h.id: w.heat.sizes[h.id].available_w for h in d.heaters}
        by_loop = sum(given[h.id] for h in coolant)
        room = sum(given.values()) - by_loop + min(by_loop, warms)
        if room < w.part.needed_w <= sum(given.values()):
            message = says("emitters-give-less", warms_w=warms, room_w=room, needed_w=w.part.needed_w, indoor_c=ctx.indoor_c)
            yield finding("warm-loop-heat", "loop", says("coolant-loop"), message, figures=["warmth/design_heat_w"])


def loop_findings(ctx: Context, w: Warm) -> Found:
    """What they say of the coolant loop."""
    yield from _loop_heat(ctx, w)
    loop, p = ctx.design.warmth.loop, w.part.loop
    if loop is None or p is None:
        return

    def say(rule: str, message: str, **more: object) -> Finding:
        return finding(rule, "loop", says("coolant-loop"), message, **more)  # type: ignore[arg-type]

    f = FLUIDS[loop.fluid]
    if p.pump_ok is False:
        yield say("warm-loop-pump", says("loop-needs-head-at", head_m=p.head_m, flow_l_min=p.flow_l_min, pump_head_m=p.pump_head_m))
    for z in loop.zones:
        r = p.zones.get(z.id)
        if r is not None and not 0.2 <= r.velocity_m_s <= 1.2:
            yield finding(
                "warm-loop-velocity",
                f"loopzone:{z.id}",
                z.name,
                says("coolant-flows-at-pipe", velocity_m_s=r.velocity_m_s, velocity_m_s_over=r.velocity_m_s > 1.2),
            )
        if z.emitter == "floor" and z.floor_c > FLOOR_MOST_C:
            yield finding("warm-floor-hot", f"loopzone:{z.id}", z.name, says("floor-gets-to-under", floor_c=z.floor_c, floor_most_c=FLOOR_MOST_C))
    if loop.high_point_without_bleed:
        yield say("warm-loop-air", says("high-point-loop-has"))
    if loop.header_space_l is not None and loop.header_space_l < p.header_space_l:
        yield say("warm-loop-expansion", says("header-tank-has-free", header_space_l=loop.header_space_l, header_space_l_2=p.header_space_l))
    if f.freezes_c > ctx.cold_c - 5:
        yield say("warm-glycol-frost", says("coolant-freezes-at-should", freezes_c=f.freezes_c, cold_c=ctx.cold_c - 5))
    water = any(z.emitter in ("exchanger", "calorifier") for z in loop.zones)
    if water and loop.fluid.startswith("eg") and not loop.double_wall:
        yield say(
            "warm-glycol-potable",
            says("ethylene-glycol-poison-flows"),
            fix=Remedy.sets(says("use-propylene-glycol"), "/warmth/loop", fluid="pg" + loop.fluid[2:]),
        )
    if p.hot_water_c is not None and p.hot_water_c < 38:
        yield say(
            "warm-dhw-cold",
            says("tap-gets-at-at", hot_water_c=p.hot_water_c, hot_water_l_min=loop.hot_water_l_min, hot_water_38_l_min=p.hot_water_38_l_min or 0),
        )
    if water and loop.supply_c > 50 and not loop.mixing_valve:
        yield say(
            "warm-dhw-scald",
            says("loop-at-and-no", supply_c=loop.supply_c),
            fix=Remedy.sets(says("fit-thermostatic-valve"), "/warmth/loop", mixing_valve=True),
        )
