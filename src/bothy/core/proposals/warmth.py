"""Proposals of Warmth: build-ups at the knee of the curve, a heater for the cold, vents for the night, dampers for the ducts, a cooler for the heat."""

from __future__ import annotations

import math
import re
from collections.abc import Iterable
from typing import Any

from bothy.core.catalogue.parts import Part, of_kind
from bothy.core.catalogue.sheets import CoolerSheet, HeaterSheet
from bothy.core.constants import ZERO_K, G
from bothy.core.context import Context
from bothy.core.daily_use import free_line
from bothy.core.design.life import Appliance
from bothy.core.design.warmth import BuildUp, Cooler, Heater, Vent, WallLayer
from bothy.core.proposals.base import Proposal
from bothy.core.recognise import alarms_aboard
from bothy.core.warmth.air_rules import cover_of, fan_lines
from bothy.core.warmth.airing import STACK_M, month_cold, work_air
from bothy.core.warmth.cooling import START
from bothy.core.warmth.heater import HeaterSizeIn, heater_size
from bothy.core.warmth.heater_rules import THIN_AIR_M, heater_line, lines_left
from bothy.core.warmth.layout import DAMPER_WORDS, best_dampers, with_dampers
from bothy.core.warmth.part import Warm, warmth_part
from bothy.core.warmth.presets import PRESETS, USUAL
from bothy.core.warmth.shell_rules import BOARDS, RIB_SHARE, SMALL_WET, U_FLOOR, U_WALL, UPRIGHT_M, enough_over_ribs, over_ribs
from bothy.core.warmth.summer_rules import COOLER, HOT_INSIDE_C, cooler_line
from bothy.core.warmth.surfaces import GLASS, Surface, study, worked
from bothy.core.warmth.ventilation import PERSON_L_H
from bothy.core.words.says import proposals_says as says

KNEE = 0.05
"""Ten more millimetres are worth it while they take off this part of what passes the surface."""
KNEE_MM = tuple(range(10, 101, 10))
MOST_MM = 50.0
"""Thickest insulation proposed: past it glass, ribs and draughts rule the loss, and every millimetre is taken from the room."""
MOST_MM_OF = {"small_van": 30.0, "boat": 30.0, "truck_body": 60.0}
"""The same where there is least room, and for the panels of a bought body."""
LEAST_MM = 20.0
"""Floor and roof are thinned to this at most, so that the tallest person stands upright."""
STALE_PPM, OUT_PPM = 1500.0, 420.0
DRY_MARGIN = 1.25
DRY_AIR_TIMES = 2.5
"""Air at 60 % is worth this many times the air that people breathe; where the air outside is damp itself, more only cools the room."""
MOST_VENT_MM2 = 20000.0
"""Largest vent that is left open for good, unless gas asks for more: a hole of 160 mm. Past it a window ajar or the fan at its lowest speed does better."""
PROPOSED_VENTS = {"vent-high", "vent-low", "roof-fan", "fan-inlet"}
FAN_INLET_MM2 = 240000.0
"""What a roof fan of 1450 m³/h must be given to draw nine tenths of that: a window of 600 × 400 mm, opened while it runs."""


def knee_mm(b: BuildUp, direction: Any) -> float:
    """Thickness of a build-up's insulation from which 10 mm more take off less than a twentieth."""
    index = max(range(len(b.layers)), key=lambda i: b.layers[i].thickness_mm)

    def u(mm: float) -> float:
        layers = list(b.layers)
        layers[index] = layers[index].model_copy(update={"thickness_mm": float(mm)})
        return worked(b.model_copy(update={"layers": layers}), direction).u_value_w_m2k

    now = u(KNEE_MM[0])
    for mm in KNEE_MM[1:]:
        more = u(mm)
        if (now - more) / now < KNEE:
            return float(mm - 10)
        now = more
    return float(KNEE_MM[-1])


LININGS = {*BOARDS, "vinyl_floor", "lining_carpet"}
"""Linings with room behind them for a foil."""


def _insulation_mm(b: BuildUp) -> float:
    return max(x.thickness_mm for x in b.layers)


def _so_thick(b: BuildUp, mm: float) -> BuildUp:
    """With the insulation, its thickest layer, ``mm`` thick."""
    index = max(range(len(b.layers)), key=lambda i: b.layers[i].thickness_mm)
    layers = [x.model_copy(update={"thickness_mm": mm}) if i == index else x for i, x in enumerate(b.layers)]
    return b.model_copy(update={"layers": layers})


def _standing(group: Any, title: str, what: str, by: Iterable[str]) -> Proposal:
    """Nothing to take: what stands there is the person's own, or was proposed before."""
    own = any(b == "typed" for b in by)
    return Proposal(
        id=group,
        group=group,
        status="kept" if own else "fitted",
        title=title,
        what=what,
        why=[says("yours-and-stays-as") if own else says("what-was-proposed")],
        assumes=[says("what-was-typed-right")] if own else [says("nothing-that-was-chosen")],
        patch=[],
    )


def alarm_ops(ctx: Context, *kinds: str) -> list[dict[str, Any]]:
    """Alarms of these kinds where there is none yet, here or in Life."""
    have = alarms_aboard(ctx.design)
    values = {
        "co": {"id": "co-alarm", "kind": "co", "name": says("carbon-monoxide-alarm"), "mounting": "wall"},
        "smoke": {"id": "smoke-alarm", "kind": "smoke", "name": says("smoke-alarm"), "mounting": "ceiling"},
    }
    taken = {a.id for a in ctx.design.warmth.alarms}
    return [{"op": "add", "path": "/warmth/alarms/-", "value": values[k]} for k in kinds if k not in have and values[k]["id"] not in taken]


def _ribs_covered(b: BuildUp, s: Surface) -> BuildUp:
    """With the thinnest foam over the ribs by which they carry less than their limit, where they carry more or too much passes the surface."""
    now = worked(b, s.direction)
    if now.rib_share_frac <= RIB_SHARE and now.u_value_w_m2k <= (U_FLOOR if s.kind == "floor" else U_WALL):
        return b
    if (mm := enough_over_ribs(b, s)) is None:
        return b
    at = max((i for i, x in enumerate(b.layers) if x.over_ribs), default=-1) + 1
    return b.model_copy(update={"layers": [*b.layers[:at], over_ribs(b, mm), *b.layers[at:]]})


def _dry_inside(ctx: Context, b: BuildUp, s: Surface) -> BuildUp:
    """With a vapour foil behind its lining, where water would gather in it at the design cold without; a bonded panel takes none."""
    if ctx.design.warmth.school == "open" or b.layers[0].material not in LININGS or study(ctx, b, s.direction)[1].condensation_g_m2_day <= SMALL_WET:
        return b
    at = next((i for i, x in enumerate(b.layers) if x.material not in LININGS), len(b.layers))
    foil = WallLayer(id="vapour-foil", material="vapour_foil", thickness_mm=0.2, over_ribs=True)
    return b.model_copy(update={"layers": [*b.layers[:at], foil, *b.layers[at:]]})


def _finished(ctx: Context, b: BuildUp, s: Surface) -> BuildUp:
    return _dry_inside(ctx, _ribs_covered(b, s), s)


def _upright(ctx: Context, w: Warm, bare: dict[str, BuildUp], at: dict[str, Surface]) -> tuple[dict[str, BuildUp], bool]:
    """``bare`` finished, with floor and roof thinned by 10 mm in turn until the tallest person stands upright under them, and whether they were; not
    thinned where that doesn't reach. ``at``: a surface of each."""
    taken = {s.id: s.worked.thickness_mm for s in w.shell.surfaces if s.worked is not None and s.id in ("floor", "roof")}
    first = made = {k: _finished(ctx, b, at[k]) for k, b in bare.items()}
    thin = dict(bare)
    while True:
        taken |= {k: sum(x.thickness_mm for x in b.layers) for k, b in made.items() if k in taken}
        if ctx.inside_height_m - sum(taken.values()) / 1000 >= (ctx.design.warmth.tallest_m or 0.0) + UPRIGHT_M:
            return made, made != first
        spare = [k for k, b in thin.items() if k in taken and _insulation_mm(b) > LEAST_MM]
        if not spare:
            return first, False
        k = max(spare, key=lambda k: _insulation_mm(thin[k]))
        thin[k] = _so_thick(thin[k], max(LEAST_MM, _insulation_mm(thin[k]) - 10))
        made = {**made, k: _finished(ctx, thin[k], at[k])}


SCREENS_BELOW_C = 5.0


def propose_screens(ctx: Context, w: Warm) -> Proposal | None:
    """Quilted screens inside all bare glass and plugs in rooflights, where nights get cold: there the air condenses first."""
    bare = [s for s in w.shell.surfaces if s.kind in GLASS and s.extra_r == 0]
    if ctx.cold_c >= SCREENS_BELOW_C or not bare:
        return None
    patch = [op for s in bare if (cover := cover_of(ctx, s)) is not None for op in cover.patch]
    area = sum(s.area_m2 for s in bare)
    return Proposal(
        id="screens",
        group="insulation",
        status="new",
        title=says("night-screens"),
        what=says("quilted-screens-for-glass", area_m2=area),
        why=[says("at-bare-glass-loses", cold_c=ctx.cold_c)],
        assumes=[says("put-up-by-night")],
        patch=patch,
    )


def propose_insulation(ctx: Context, w: Warm) -> Proposal | None:
    """Build-ups for the surfaces that have none yet; those of the person stay."""
    open_ = [s for s in w.shell.surfaces if s.assumed]
    if not open_:
        return _standing("insulation", says("insulation"), says("every-surface-has-build"), (b.by for b in ctx.design.warmth.build_ups))
    wall, floor = USUAL.get(ctx.design.vehicle.preset, ("foam-bonded", "floor-board"))
    have = {b.id for b in ctx.design.warmth.build_ups}
    bare, at = dict[str, BuildUp](), dict[str, Surface]()
    most, capped = MOST_MM_OF.get(ctx.design.vehicle.preset, MOST_MM), False
    for s in open_:
        kind = "floor" if s.kind == "floor" else "roof" if s.kind == "roof" else "walls"
        if kind not in bare:
            base = PRESETS[floor if kind == "floor" else wall]
            id = next(i for i in (kind, *(f"{kind}-{n}" for n in range(2, 60))) if i not in have)
            name = {"floor": says("floor"), "roof": says("roof"), "walls": says("walls")}[kind]
            mm = min(most, knee := knee_mm(base, s.direction))
            capped = capped or knee > most
            bare[kind] = _so_thick(base, mm).model_copy(update={"id": id, "name": name, "by": "proposal"})
            at[kind] = s
    built, lower = _upright(ctx, w, bare, at)
    said = {x.id: i for i, x in enumerate(ctx.design.warmth.surfaces)}
    patch: list[dict[str, Any]] = [{"op": "add", "path": "/warmth/build_ups/-", "value": b.model_dump(mode="json")} for b in built.values()]
    for s in open_:
        b = built["floor" if s.kind == "floor" else "roof" if s.kind == "roof" else "walls"]
        patch.append(
            {"op": "replace", "path": f"/warmth/surfaces/{said[s.id]}/build_up", "value": b.id}
            if s.id in said
            else {"op": "add", "path": "/warmth/surfaces/-", "value": {"id": s.id, "build_up": b.id}}
        )
    area = sum(s.area_m2 for s in open_)
    thick = "; ".join(f"{b.name.lower()} {_insulation_mm(b):g} mm" for b in built.values())
    foiled = [b.name.lower() for b in built.values() if any(x.id == "vapour-foil" for x in b.layers)]
    why = [says("thicker-takes-more-room", most_mm=most) if capped else says("at-knee-curve-more")]
    if lower and ctx.design.warmth.tallest_m is not None:
        why.append(says("thinner-to-stand-upright", tallest_m=ctx.design.warmth.tallest_m))
    return Proposal(
        id="insulation",
        group="insulation",
        status="new",
        title=says("insulation"),
        what=says("insulation-over", thick=thick, area_m2=area),
        why=why,
        assumes=[says("closed-cell-foam-or"), *([says("foil-behind-lining", names=", ".join(foiled))] if foiled else [])],
        patch=patch,
    )


def _adequate(ctx: Context, w: Warm, p: Part[HeaterSheet]) -> tuple[bool, float]:
    d = p.data
    r = heater_size(
        HeaterSizeIn.trusted(
            ua_w_k=w.part.ua_w_k,
            indoor_temp_c=ctx.indoor_c,
            design_outdoor_temp_c=ctx.cold_c,
            margin_frac=ctx.design.warmth.margin_frac,
            heater_max_w=d["max_w"],
            heater_min_w=d["min_w"],
            altitude_m=max(-100.0, min(5000.0, ctx.climate.elevation_m)),
            combustion=d["fuel"] != "electric",
        )
    )
    return r.adequate, r.available_w


def heater_value(p: Part[HeaterSheet], id: str, appliance: str | None, high: bool = False) -> dict[str, Any]:
    """A catalogue heater as the design holds it, with its kit for heights where it needs one."""
    d = p.data
    h = Heater.model_validate(
        {
            "id": id,
            "name": p.name,
            "part": p.key,
            "kind": d["heater_kind"],
            "fuel": d["fuel"],
            "max_w": d["max_w"],
            "min_w": d["min_w"],
            "efficiency_frac": d["efficiency_frac"],
            "air_flow_m3_h": d.get("air_flow_m3_h"),
            "fan_pressure_pa": d.get("fan_pressure_pa", 200.0),
            "outlet_biases": {1: [1.0], 4: [1.1, 1.1, 0.9, 0.9]}[int(d["outlet_count"])],
            "run_min_w": d["run_min_w"],
            "run_max_w": d["run_max_w"],
            "start_energy_wh": d["start_energy_wh"],
            "room_sealed": d["heater_kind"] != "stove",
            "mass_kg": p.mass_kg,
            "altitude_kit": high,
            "appliance": appliance,
            "by": "proposal",
        }
    )
    return h.model_dump(mode="json")


def _in_daily_use(ctx: Context, w: Warm, values: list[dict[str, Any]]) -> list[dict[str, Any]]:
    """Names each heater's line of Daily use in its value: the one it has, or one that stands there; else a line of Bothy's own for all that have none, which
    follows the heat. Returns the operations that bring or change that line."""
    now, left, bare = ctx.design.warmth.heaters, [a.id for a in lines_left(ctx)], list[dict[str, Any]]()
    own: str | None = None
    for i, v in enumerate(values):
        line = ctx.design.appliance((now[i].appliance if i < len(now) else None) or "")
        if line is not None and line.by != "proposal":
            v["appliance"] = line.id
        elif line is None and left:
            v["appliance"] = left.pop(0)
        else:
            bare.append(v)
            own = own or (line.id if line else None)
    if not bare:
        return []
    id = own or free_line(ctx, "heater")
    for v in bare:
        v["appliance"] = id
    share = 1 / len(values)
    made = Appliance.model_validate({"id": id, **heater_line(ctx, w, Heater.model_validate(bare[0]), share), "count": len(bare), "by": "proposal"})
    n = next((n for n, a in enumerate(ctx.design.life.appliances) if a.id == id), None)
    if n is not None and ctx.design.life.appliances[n] == made:
        return []
    value = made.model_dump(mode="json")
    return [{"op": "add", "path": "/life/appliances/-", "value": value} if n is None else {"op": "replace", "path": f"/life/appliances/{n}", "value": value}]


def propose_heater(ctx: Context, w: Warm) -> Proposal | None:
    """The smallest air heater that holds the design cold with the margin, or two; a proposed one follows when the need changes."""
    now = ctx.design.warmth.heaters
    if any(h.by != "proposal" for h in now):
        return _standing("heater", says("heater"), now[0].name, (h.by for h in now))
    if w.part.needed_w < 100:
        return _standing("heater", says("heater"), now[0].name, (h.by for h in now)) if now else None
    fuel = "petrol" if ctx.design.vehicle.preset == "small_van" and ctx.region.key == "us" else "diesel"
    heaters = sorted(of_kind("heater", ctx.region.key), key=lambda p: p.data["max_w"])
    kinds = [p for p in heaters if p.data["heater_kind"] == "air" and p.data["fuel"] == fuel]
    one = next((p for p in kinds if _adequate(ctx, w, p)[0]), None)
    p = one or next((p for p in kinds if 2 * _adequate(ctx, w, p)[1] >= w.part.needed_w), None)
    why = [says("hold-at-outside-with", needed_w=w.part.needed_w, indoor_c=ctx.indoor_c, cold_c=ctx.cold_c, margin_frac=ctx.design.warmth.margin_frac)]
    if p is None:
        return Proposal(
            id="heater",
            group="heater",
            status="kept",
            title=says("heater"),
            what=says("no-heater-catalogue-large"),
            why=[*why, says("insulate-first")],
            assumes=[],
            patch=[],
        )
    count = 1 if one else 2
    high = ctx.climate.elevation_m > THIN_AIR_M
    values = [heater_value(p, id, None, high=high) for id in ("heater", "heater-2")[:count]]
    ops = _in_daily_use(ctx, w, values)
    if [h.part for h in now] == [p.key] * count and not ops:
        return _standing("heater", says("heater"), now[0].name, (h.by for h in now))
    gives = _adequate(ctx, w, p)[1]
    why.append(says("gives-here-larger-one", gives_w=gives) if one else says("no-single-one-catalogue", gives_w=2 * gives))
    ops += [{"op": "replace", "path": "/warmth/heaters", "value": values}] if now else [{"op": "add", "path": "/warmth/heaters/-", "value": v} for v in values]
    return Proposal(
        id="heater",
        group="heater",
        status="change" if now else "new",
        title=says("heater"),
        what=p.name if one else f"2 × {p.name}",
        why=why,
        assumes=[says("room-sealed-burner-intake", one=bool(one))],
        patch=[*ops, *alarm_ops(ctx, "co", "smoke")],
        price=count * p.price,
        mass_kg=count * p.mass_kg,
    )


def propose_vents(ctx: Context, w: Warm) -> Proposal | None:
    """Fixed vents that keep the air by night, and the gas's where there is any."""
    if ctx.design.warmth.vents:
        return _standing(
            "vents",
            says("vents"),
            says("them", vents_count=len(ctx.design.warmth.vents)),
            ("proposal" if v.id in PROPOSED_VENTS else "typed" for v in ctx.design.warmth.vents),
        )
    air = work_air(ctx, w.shell)
    for_co2 = ctx.people * PERSON_L_H["asleep"] / 1000 * 1e6 / (STALE_PPM - OUT_PPM)
    opaque = {s.id for s in w.shell.surfaces if s.opaque}
    dry = max((d.dry_flow_m3_h or 0.0 for id, d in air.part.surfaces.items() if id in opaque), default=0.0)
    wanted = max(air.night.required_flow_m3_h or 0.0, DRY_MARGIN * dry)
    need = max(for_co2, min(wanted, DRY_AIR_TIMES * for_co2))
    lack = max(5.0, need - (air.part.night_flow_m3_h - air.passive.flow_m3_h))
    mean_k = (ctx.night_c + month_cold(ctx)) / 2 + ZERO_K
    speed = 0.6 * math.sqrt(2 * G * min(STACK_M, ctx.inside_height_m) * max(1.0, ctx.night_c - month_cold(ctx)) / mean_k)
    each = math.sqrt(2) * lack / 3600 / speed * 1e6
    fixed = min(each, MOST_VENT_MM2)
    low, high = max(fixed, air.part.gas_low_mm2 or 0.0), max(fixed, air.part.gas_high_mm2 or 0.0)
    low, high = (math.ceil(x / 500) * 500.0 for x in (low, high))
    values = [
        {"id": "vent-high", "name": says("roof-vent-fixed"), "kind": "fixed_roof", "free_area_mm2": high},
        {"id": "vent-low", "name": says("floor-vent-fixed"), "kind": "fixed_low", "free_area_mm2": low},
        {
            "id": "roof-fan",
            "name": says("roof-fan"),
            "kind": "roof_fan",
            "free_area_mm2": 90000.0,
            "flow_max_m3_h": 1450.0,
            "pressure_max_pa": 40.0,
            "power_max_w": 36.0,
            "closable": True,
        },
        {"id": "fan-inlet", "name": says("window-or-flap-opened"), "kind": "window", "free_area_mm2": FAN_INLET_MM2, "closable": True},
    ]
    why = [
        says("at-night-keep-carbon", need_m3_h=need) if need == wanted else says("at-night-air-for-breath", need_m3_h=need),
        says("go-through-fixed-vents", lack_m3_h=lack * fixed / each),
        *([says("more-than-vents-give")] if each > MOST_VENT_MM2 or wanted > need or air.night.required_flow_m3_h is None else []),
    ]
    if air.gas is not None:
        why.append(says("gas-asks-for-high", high_area_mm2=air.gas.high_area_mm2, low_area_mm2=air.gas.low_area_mm2))
    return Proposal(
        id="vents",
        group="vents",
        status="new",
        title=says("vents"),
        what=says("high-and-low-free", high_mm2=high, low_mm2=low),
        why=why,
        assumes=[says("free-area-without-mesh")],
        patch=[
            *({"op": "add", "path": "/life/appliances/-", "value": line} for line in fan_lines(ctx, [Vent.model_validate(v) for v in values], "proposal")),
            *({"op": "add", "path": "/warmth/vents/-", "value": v} for v in values),
            *alarm_ops(ctx, "smoke"),
        ],
    )


def propose_ducts(ctx: Context, w: Warm) -> Proposal | None:
    """Damper settings by which the coldest zone gets the most."""
    if w.layout is None:
        return None
    dampers, worst = best_dampers(ctx, w.layout)
    now = w.layout.part.worst_shortfall_w
    words = ", ".join(f"{d.name}: {DAMPER_WORDS[dampers[d.id]]}" for d in ctx.design.warmth.ducts if dampers.get(d.id, d.damper) != d.damper)
    if worst > now - 1 or not words:
        return Proposal(
            id="ducts",
            group="ducts",
            status="fitted",
            title=says("dampers"),
            what=says("as-they"),
            why=[says("coldest-zone-lacks-and", now_w=now)],
            assumes=[],
            patch=[],
        )
    changed = {d.id for d, e in zip(ctx.design.warmth.ducts, with_dampers(ctx.design.warmth.ducts, dampers), strict=True) if d.damper != e.damper}
    patch = [{"op": "replace", "path": f"/warmth/ducts/{i}/damper", "value": dampers[d.id]} for i, d in enumerate(ctx.design.warmth.ducts) if d.id in changed]
    return Proposal(
        id="ducts",
        group="ducts",
        status="change",
        title=says("dampers"),
        what=words,
        why=[says("coldest-zone-lacks-so", now_w=now, worst_w=worst)],
        assumes=[says("at-design-cold-with")],
        patch=patch,
    )


def _starts(ctx: Context, p: Part[CoolerSheet]) -> bool:
    """Whether the system runs a cooler: native at its voltage, or one that varies its speed on an inverter that can start it."""
    if p.data["volts"] < 100:
        return bool(p.data["volts"] == ctx.system_v)
    inverter = ctx.design.power.inverter
    run = p.data["capacity_w"] / p.data["eer"]
    return (
        p.data["compressor"] == "variable"
        and inverter is not None
        and (inverter.surge_power_w or inverter.rating_w) >= START["variable"] * run
        and inverter.rating_w >= run
    )


def propose_cooler(ctx: Context, w: Warm) -> Proposal | None:
    """The smallest native cooler for the hot day, where it gets hot; a proposed one follows when the need changes.

    It is only offered where Daily use has no line for one: it is the heaviest load there is, and shade and moving air come first.
    """
    c = ctx.design.warmth.cooler
    if c is not None and c.by != "proposal":
        return _standing("cooler", says("air-conditioner"), c.name, [c.by])
    hottest = max(w.part.cool.free_c)
    if hottest < HOT_INSIDE_C:
        if c is None:
            return None
        return Proposal(
            id="cooler",
            group="cooler",
            status="change",
            title=says("air-conditioner"),
            what=says("none-needed-any-more"),
            why=[says("as-now-gets-inside", hottest_c=hottest)],
            assumes=[],
            patch=[{"op": "replace", "path": "/warmth/cooler", "value": None}],
        )
    need = w.part.cool.needed_w
    coolers = sorted(of_kind("cooler", ctx.region.key), key=lambda p: p.data["capacity_w"])
    p = next((p for p in coolers if p.data["capacity_w"] >= need and _starts(ctx, p)), None)
    why = [
        says("without-gets-to-inside", hottest_c=hottest, hot_c=ctx.hot_c, need_w=need),
        says("shade-and-light-roof"),
    ]
    if p is None:
        return Proposal(
            id="cooler",
            group="cooler",
            status="kept",
            title=says("air-conditioner"),
            what=says("none-catalogue-large-enough"),
            why=why,
            assumes=[says("inverter-as")],
            patch=[],
        )
    if c is not None and c.part == p.key:
        return _standing("cooler", says("air-conditioner"), c.name, [c.by])
    d = p.data
    wanted = next((a.id for a in ctx.design.life.appliances if a.kind == "cooling" and re.search(COOLER, a.name.lower())), None)
    line = (c.appliance if c else None) or wanted
    value = {
        "name": p.name,
        "part": p.key,
        "capacity_w": d["capacity_w"],
        "eer": d["eer"],
        "supply": "native" if d["volts"] < 100 else "inverter",
        "compressor": d["compressor"],
        "fan_power_w": d["fan_power_w"],
        "mass_kg": p.mass_kg,
        "appliance": line or free_line(ctx, "air-conditioner"),
        "by": "proposal",
    }
    own = (
        []
        if line
        else [{"op": "add", "path": "/life/appliances/-", "value": {"id": value["appliance"], **cooler_line(Cooler.model_validate(value)), "by": "proposal"}}]
    )
    return Proposal(
        id="cooler",
        group="cooler",
        status="change" if c else "new" if line else "offer",
        title=says("air-conditioner"),
        what=p.name,
        why=why,
        assumes=[says("refrigerant-only-by-certified")],
        patch=[*own, {"op": "replace", "path": "/warmth/cooler", "value": value}],
        price=p.price,
        mass_kg=p.mass_kg,
    )


PROPOSERS = {"insulation": propose_insulation, "heater": propose_heater, "vents": propose_vents, "ducts": propose_ducts, "cooler": propose_cooler}


def propose_warmth(ctx: Context, group: str) -> list[Proposal]:
    """The proposals of one of Warmth's groups."""
    w = warmth_part(ctx)
    made = [PROPOSERS[group](ctx, w), *([propose_screens(ctx, w)] if group == "insulation" else [])]
    return [p for p in made if p is not None]
