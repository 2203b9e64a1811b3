"""Findings of ducts and the coolant loop (method warmth.heat-loss)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.design.warmth import WarmDuct
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.warmth.coolant import FLOOR_MOST_C, FLUIDS
from bothy.core.warmth.layout import DuctPart, Layout
from bothy.core.warmth.part import Warm
from bothy.core.warmth.rule_table import Found

SUPPLY_HOT_C, LOSS_PART, FABRIC_C = 110.0, 0.25, 60.0
MOST_LEN_M = {60: 5.0, 75: 8.0, 100: 8.0}
SOURCES = {"gas_locker": "gas locker", "engine": "engine space", "outside": "outside"}


def _of_duct(ctx: Context, x: WarmDuct, r: DuctPart) -> Found:
    """What they say of a duct to an outlet."""
    if r.shortfall_w > 0.1 * r.need_w and r.shortfall_w > 20:
        yield finding("warm-duct-shortfall", f"duct:{x.id}", x.name, f"Of the {r.need_w:.0f} W that are needed here {r.delivered_w:.0f} W arrive.")
    bare = x.insulation_mm < 5 and x.lies != "inside"
    lost = r.loss_w / (r.loss_w + r.delivered_w) if r.loss_w + r.delivered_w > 0 else 0.0
    if x.lies != "inside" and (lost > LOSS_PART or bare):
        yield finding(
            "warm-duct-loss",
            f"duct:{x.id}",
            x.name,
            f"The duct loses {r.loss_w:.0f} W on its way, {lost:.0%} of its heat.",
            fix=_duct_fix(ctx, x.id, "Insulate it with a 13 mm sleeve", insulation_mm=13.0) if x.insulation_mm < 13 else None,
        )
    most = next((m for dia, m in MOST_LEN_M.items() if x.diameter_mm <= dia), 8.0)
    crooked = []
    if x.length_m > most:
        crooked.append(f"the duct is {x.length_m:g} m long; at {x.diameter_mm:g} mm it should be at most {most:g} m")
    if x.bends_90 > 3:
        crooked.append(f"the duct has {x.bends_90} bends; it should have at most three")
    if x.bend_radius_mm is not None and x.bend_radius_mm < x.diameter_mm:
        crooked.append(f"the duct is bent to {x.bend_radius_mm:g} mm; the radius should be at least {x.diameter_mm:g} mm")
    if crooked:
        yield finding("warm-duct-long", f"duct:{x.id}", x.name, "; ".join(crooked)[0].upper() + "; ".join(crooked)[1:] + ".")
    if r.supply_c > FABRIC_C and x.to_fabric_mm is not None and x.to_fabric_mm < 200:
        yield finding(
            "warm-grille-fabric",
            f"duct:{x.id}",
            x.name,
            f"Air of {r.supply_c:.0f} °C leaves {x.to_fabric_mm:.0f} mm from fabric. Keep fabric at least 200 mm away.",
        )


def _of_layout(ctx: Context, layout: Layout) -> Found:
    """Air too hot, a better choice of outlets, a return that is too small."""
    d, lay = ctx.design.warmth, layout.part
    hottest = max((r.supply_c for r in layout.runs.values()), default=0.0)
    if max(hottest, lay.mean_supply_c) > SUPPLY_HOT_C:
        yield finding(
            "warm-duct-hot",
            "ducts",
            "Ducts",
            f"The air in the ducts gets to {max(hottest, lay.mean_supply_c):.0f} °C with {lay.total_flow_m3_h:.0f} m³/h. It should be at most "
            f"{SUPPLY_HOT_C:g} °C.",
            figures=["ducts/mean_supply_temp_c"],
        )
    if lay.best_worst_w < lay.worst_shortfall_w * 0.95 - 1:
        moved = [x for x in d.ducts if x.id in lay.best_outlets and lay.best_outlets[x.id] != x.outlet]
        fix = Remedy(label="Change the outlets", patch=[op for x in moved for op in _duct_fix_ops(ctx, x.id, outlet=lay.best_outlets[x.id])])
        yield finding(
            "warm-duct-assignment",
            "ducts",
            "Ducts",
            f"The coldest zone lacks {lay.worst_shortfall_w:.0f} W; with "
            + ", ".join(f"{x.name} on outlet {lay.best_outlets[x.id]}" for x in moved)
            + f" it lacks {lay.best_worst_w:.0f} W.",
            fix=fix,
        )
    if lay.return_pa > 0.15 * lay.plenum_pa:
        yield finding(
            "warm-return-small",
            "ducts",
            "Return air",
            f"The return takes {lay.return_pa:.0f} Pa of the {lay.plenum_pa:.0f} Pa that the fan gives."
            if lay.return_pa <= lay.plenum_pa
            else f"To draw all its air through this return would take {lay.return_pa:.0f} Pa; the fan gives {lay.plenum_pa:.0f} Pa, so far less air comes.",
        )


def duct_findings(ctx: Context, w: Warm) -> Found:
    """What they say of the ducts."""
    d = ctx.design.warmth
    h = d.blower
    if d.return_from != "living":
        yield finding(
            "warm-return-source",
            "ducts",
            "Return air",
            f"The heater draws its air from the {SOURCES[d.return_from]} and blows it into the living space.",
        )
    if not d.ducts:
        return
    if h is None:
        yield finding("warm-duct-shortfall", "ducts", "Ducts", "There are ducts and no heater that blows air into them.")
        return
    begin, outlets = len([x for x in d.ducts if x.parent is None]), len(h.outlet_biases)
    if begin > outlets:
        has = f"{outlets} outlet{'s' if outlets > 1 else ''}"
        yield finding("warm-duct-shortfall", "ducts", "Ducts", f"At the heater begin {begin} runs, and it has {has}: join runs with a branch.")
    if w.layout is None:
        yield finding("warm-duct-closable", "ducts", "Ducts", "Every outlet is closed: the air has no way out.")
        return
    ends = [x for x in d.ducts if x.id in w.layout.runs and not w.layout.runs[x.id].trunk]
    if ends and all(x.closable for x in ends):
        yield finding("warm-duct-closable", "ducts", "Ducts", "Every outlet can be closed. With all of them shut the heater overheats.")
    for x in ends:
        yield from _of_duct(ctx, x, w.layout.runs[x.id])
    yield from _of_layout(ctx, w.layout)


def _duct_fix_ops(ctx: Context, id: str, **values: object) -> list[dict[str, object]]:
    i = next(n for n, x in enumerate(ctx.design.warmth.ducts) if x.id == id)
    return Remedy.sets("", f"/warmth/ducts/{i}", id, **values).patch


def _duct_fix(ctx: Context, id: str, label: str, **values: object) -> Remedy:
    return Remedy(label=label, patch=_duct_fix_ops(ctx, id, **values))


def loop_findings(ctx: Context, w: Warm) -> Found:
    """What they say of the coolant loop."""
    loop, p = ctx.design.warmth.loop, w.part.loop
    if loop is None or p is None:
        return

    def say(rule: str, message: str, **more: object) -> Finding:
        return finding(rule, "loop", "Coolant loop", message, **more)  # type: ignore[arg-type]

    f = FLUIDS[loop.fluid]
    if p.pump_ok is False:
        yield say("warm-loop-pump", f"The loop needs a head of {p.head_m:.2f} m at {p.flow_l_min:.1f} L/min; the pump gives {p.pump_head_m:.2f} m.")
    for z in loop.zones:
        r = p.zones.get(z.id)
        if r is not None and not 0.2 <= r.velocity_m_s <= 1.2:
            yield finding(
                "warm-loop-velocity",
                f"loopzone:{z.id}",
                z.name,
                f"The coolant flows at {r.velocity_m_s:.2f} m/s: {'the pipe hums' if r.velocity_m_s > 1.2 else 'air stays in the pipe'}.",
            )
        if z.emitter == "floor" and z.floor_c > FLOOR_MOST_C:
            yield finding(
                "warm-floor-hot", f"loopzone:{z.id}", z.name, f"The floor gets to {z.floor_c:g} °C. Under feet it should be at most {FLOOR_MOST_C:g} °C."
            )
    if loop.high_point_without_bleed:
        yield say("warm-loop-air", "A high point of the loop has no bleed valve: air stays there and stops the flow.")
    if loop.header_space_l is not None and loop.header_space_l < p.header_space_l:
        yield say("warm-loop-expansion", f"The header tank has {loop.header_space_l:.2f} L free; the coolant needs {p.header_space_l:.2f} L to expand.")
    if f.freezes_c > ctx.cold_c - 5:
        yield say("warm-glycol-frost", f"The coolant freezes at {f.freezes_c:g} °C. It should stand {ctx.cold_c - 5:.0f} °C.")
    water = any(z.emitter in ("exchanger", "calorifier") for z in loop.zones)
    if water and loop.fluid.startswith("eg") and not loop.double_wall:
        yield say(
            "warm-glycol-potable",
            "Ethylene glycol, a poison, flows behind a single wall from drinking water.",
            fix=Remedy.sets("Use propylene glycol", "/warmth/loop", fluid="pg" + loop.fluid[2:]),
        )
    if p.hot_water_c is not None and p.hot_water_c < 38:
        yield say(
            "warm-dhw-cold",
            f"The tap gets {p.hot_water_c:.0f} °C at {loop.hot_water_l_min:g} L/min; at 38 °C {p.hot_water_38_l_min or 0:.1f} L/min would come.",
        )
    if water and loop.supply_c > 50 and not loop.mixing_valve:
        yield say(
            "warm-dhw-scald",
            f"The loop is at {loop.supply_c:g} °C, and no valve mixes the tap’s water with cold: it can scald.",
            fix=Remedy.sets("Fit a thermostatic valve", "/warmth/loop", mixing_valve=True),
        )
