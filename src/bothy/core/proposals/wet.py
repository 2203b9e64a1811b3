"""Proposals of Water and Gas: tanks for the days asked for, a pump and pipes for the taps; regulator, vents, alarm, solenoid and runs for what burns."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import Any

from bothy.core.constants import G
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.daily_use import free_line
from bothy.core.gas.part import Gassed, gas_part, rule_set_of
from bothy.core.gas.pipework import nominal_mbar, regulator_size_kg_h
from bothy.core.proposals.base import Group, Proposal
from bothy.core.restraint import ACCELERATIONS, SCHOOLS
from bothy.core.water.electric_rules import pump_line, pump_lines
from bothy.core.water.heat_and_frost import HOLD_C, frost_use, tank_ua
from bothy.core.water.part import Wet, water_part
from bothy.core.water.pressure import PumpPart, solve_taps
from bothy.core.water.pressure_rules import ACCUMULATORS_L, CYCLES, RUN_S
from bothy.core.words.says import proposals_says as says

USABLE, GREY_USABLE = 0.95, 0.9
EMPTY_KG_L, ROUNDED = 0.08, 1.05
"""An empty tank's mass a litre (typical); boxes are rounded up to whole centimetres."""
FOAM_MM = 30.0
STEP_L = 5.0
"""Capacities that regulators are made with, kg/h (typical)."""
MESH_FREE = 0.6
VENT_W_MM = 200.0
PUMPS: tuple[tuple[str, list[dict[str, float]], float, float], ...] = (
    (
        says("diaphragm-pump"),
        [{"flow_l_min": 0.0, "pressure_kpa": 280.0}, {"flow_l_min": 6.0, "pressure_kpa": 190.0}, {"flow_l_min": 11.0, "pressure_kpa": 0.0}],
        140.0,
        220.0,
    ),
    (
        says("diaphragm-pump-2"),
        [{"flow_l_min": 0.0, "pressure_kpa": 340.0}, {"flow_l_min": 10.0, "pressure_kpa": 240.0}, {"flow_l_min": 17.0, "pressure_kpa": 0.0}],
        170.0,
        280.0,
    ),
)
"""Running curves and switching pressures, typical."""
BORES_MM = (9.0, 11.6, 13.2)
SHARED, QUIET_M_S = 0.75, 2.0


def _new(group: Group, id: str, title: str, what: str, why: str, assumes: str, patch: list[dict[str, Any]], mass_kg: float | None = None) -> Proposal:
    return Proposal(id=id, group=group, status="new", title=title, what=what, why=[why], assumes=[assumes], patch=patch, mass_kg=mass_kg)


def _box(litres: float, width: float, height: float) -> dict[str, Any]:
    """A box of so many litres; where it would get longer than 2 m it is made wider, up to the widest and longest that there are."""
    wide = next((n * width for n in (1, 2, 3, 4) if litres / (1000 * n * width * height) <= 2.0), 4 * width)
    return {"shape": "box", "length_m": min(6.0, math.ceil(litres / (10 * wide * height)) / 100), "width_m": wide, "height_m": height}


def _held(ctx: Context, kg: float) -> dict[str, float]:
    """What the fixing of so much mass must hold, rounded up to 100 N."""
    g = ACCELERATIONS[ctx.design.water.restraint_school]
    return {f"restraint_{axis}_n": 100.0 * math.ceil(1.05 * kg * G * a / 100) for axis, a in zip("xyz", (g[0], g[1], g[3]), strict=True)}


def propose_tanks(ctx: Context, w: Wet) -> Proposal | None:
    """A fresh and a grey tank that last the days asked for, with what must hold them and keep the frost off; nothing where a store was said."""
    d = ctx.design.water
    if d.tanks or d.jug_count or w.demand.fresh_tank_l_day <= 0:
        return None
    days, cold = w.part.target_days, ctx.coldest_night().value
    fresh = STEP_L * math.ceil(w.demand.fresh_tank_l_day * days / USABLE / STEP_L)
    grey = STEP_L * math.ceil(w.demand.grey_l_day * days / GREY_USABLE / STEP_L)
    while grey * GREY_USABLE / max(1e-9, w.demand.grey_l_day) < ROUNDED * fresh * USABLE / w.demand.fresh_tank_l_day:
        grey += STEP_L
    warmer: list[dict[str, Any]] = []
    common = {"vent_mm": 16.0, "drain_valve": True, "undivided_m": 0.8, "by": "proposal"}
    made: list[dict[str, Any]] = [
        {
            "id": "fresh",
            "name": says("fresh"),
            "holds": "fresh",
            "prisms": [_box(fresh, 0.4, 0.3)],
            "outlet_z_m": 0.0,
            "fill_mm": 40.0,
            "food_grade": True,
            "leak_tray": True,
            "x_m": 1.5,
            "tank_mass_kg": EMPTY_KG_L * fresh,
            **_held(ctx, (1 + EMPTY_KG_L) * fresh * ROUNDED),
            **common,
        }
    ]
    if d.grey_to == "tank" and grey > 0:
        foam = FOAM_MM if cold < 0 else 0.0
        heat = 10.0 * math.ceil(tank_ua(grey * ROUNDED, foam) * (HOLD_C - cold) / 10) if cold < 0 else 0.0
        if heat:
            id = free_line(ctx, "grey-tank-heater")
            warmer.append({"id": id, "name": says("grey-tank-heater"), "power_w": heat, "by": "proposal", **frost_use(ctx)})
        made.append(
            {
                "id": "grey",
                "name": says("grey-2"),
                "holds": "grey",
                "prisms": [_box(grey, 0.5, 0.2)],
                "place": "underfloor",
                "z_m": -0.3,
                "x_m": 2.2,
                "full_sensor": True,
                "tank_mass_kg": EMPTY_KG_L * grey,
                "drain_mm": 38.0,
                "foam_mm": foam,
                "heater_w": heat,
                "appliance": warmer[0]["id"] if warmer else None,
                **_held(ctx, (1 + EMPTY_KG_L) * grey * ROUNDED),
                **common,
            }
        )
    what = says("fresh-water", fresh_l=fresh) + (says("grey", grey_l=grey) if len(made) > 1 else "")
    why = [
        says("for-over-tank-gives", fresh_tank_l_day=w.demand.fresh_tank_l_day, days=days),
        says("fresh-ones-fixing-holds", made_kn=made[0]["restraint_x_n"] / 1000, schools=SCHOOLS[d.restraint_school]),
    ]
    if len(made) > 1 and cold < 0:
        why.append(says("foam-and-keep-grey", made_mm=made[1]["foam_mm"], made_w=made[1]["heater_w"], cold_c=cold))
        why.append(says("heater-is-on-in", hours_h=warmer[0]["hours_per_day"]))
    return Proposal(
        id="water-tanks",
        group="water",
        status="new",
        title=says("tanks"),
        what=what,
        why=why,
        assumes=[says("plain-boxes-grey-one")],
        patch=[
            *({"op": "add", "path": "/life/appliances/-", "value": line} for line in warmer),
            *({"op": "add", "path": "/water/tanks/-", "value": t} for t in made),
        ],
        mass_kg=(1 + EMPTY_KG_L) * fresh,
    )


def _taps(ctx: Context) -> list[dict[str, Any]]:
    """A main and a run to each tap that a vehicle like this has."""
    shower = ctx.design.water.use.shower_type != "none"
    common = {"food_grade": True, "drain_valve": True, "by": "proposal"}
    runs: list[dict[str, Any]] = [
        {
            "id": "main",
            "name": says("main"),
            "length_m": 1.5,
            "x_m": 2.0,
            "fittings": {"strainer": 1, "valve_ball": 1, "valve_check": 1, "elbow_90": 2},
            **common,
        }
    ]
    ends = [("sink", says("kitchen-tap"), 2.5, 0.8, 4.0, 30.0), *([("shower", says("shower"), 4.0, 1.4, 6.0, 70.0)] if shower else [])]
    for id, name, length, rise, wanted, rated in ends:
        runs.append(
            {
                "id": id,
                "name": name,
                "parent": "main",
                "length_m": length,
                "rise_m": rise,
                "outlet": id,
                "wanted_l_min": wanted,
                "rated_kpa": rated,
                "x_m": 3.0 if id == "sink" else 0.8,
                "fittings": {"elbow_90": 3, "tee_branch": 1},
                **common,
            }
        )
    return runs


def propose_pump_and_pipes(ctx: Context, w: Wet) -> Proposal | None:
    """The smallest pump, with the smallest pipe, at which every tap gets what it needs alone and two of them three quarters of it."""
    d = ctx.design.water
    if d.pump is not None or d.runs:
        return None
    line = next((a.id for a in pump_lines(ctx)), None)
    own = line or free_line(ctx, "water-pump")
    for name, points, low, high in PUMPS:
        for bore in BORES_MM:
            runs = [{**r, "inner_diameter_mm": bore} for r in _taps(ctx)]
            pump = {
                "name": name,
                "points": points,
                "cut_in_kpa": low,
                "cut_out_kpa": high,
                "accumulator_l": 1.0,
                "strainer": True,
                "shutoff": True,
                "level_stop": True,
                "leak_tray": True,
                "appliance": own,
                "by": "proposal",
            }
            tried = type(d).model_validate({**d.model_dump(mode="json"), "pump": pump, "runs": runs})
            ends = [r for r in tried.runs if r.outlet != "none"]
            sets = [solve_taps(tried, [r.id]) for r in ends] + [solve_taps(tried, [r.id for r in ends])]
            solved = [x for x in sets if x is not None]
            enough = all(x.flow_l_min[r.id] >= r.wanted_l_min for r, x in zip(ends, solved, strict=False)) and all(
                solved[-1].flow_l_min[r.id] >= SHARED * r.wanted_l_min for r in ends
            )
            q = None
            if enough:
                q = water_part(Context(ctx.design.model_copy(update={"water": tried}))).part.pump
                if q is not None and q.run_time_s is not None and (q.cycles_per_hour or 0) > CYCLES and q.run_time_s < RUN_S:
                    wanted = 1.0 * RUN_S / max(0.01, q.run_time_s)
                    pump["accumulator_l"] = next((v for v in ACCUMULATORS_L if v >= wanted), ACCUMULATORS_L[-1])
            if enough and max(v for x in solved for v in x.velocity_m_s.values()) <= QUIET_M_S:
                return _new(
                    "water",
                    "water-pump",
                    says("pump-and-pipes"),
                    says("pipes-inside-to-taps", name=name.lower(), bore_mm=bore, ends_count=len(ends)),
                    says("smallest-with-which-each"),
                    says("usual-lengths-and-fittings"),
                    [
                        *([] if line else [{"op": "add", "path": "/life/appliances/-", "value": _pump_line(ctx, own, name, q)}]),
                        {"op": "replace", "path": "/water/pump", "value": pump},
                        *({"op": "add", "path": "/water/runs/-", "value": r} for r in runs),
                    ],
                )
    return None


def _pump_line(ctx: Context, id: str, name: str, q: PumpPart | None) -> dict[str, Any]:
    return {"id": id, **pump_line(name, (q.current_a if q else 0.0) * ctx.bank_v, ctx.system_v), "by": "proposal"}


def propose_regulator(ctx: Context, w: Gassed) -> Proposal | None:
    """The smallest regulator for everything burning at once."""
    if ctx.design.gas.regulator is not None:
        return None
    size = regulator_size_kg_h(w.part.regulator_min_kg_h)
    if size is None:
        return None
    value = {
        "name": says("regulator", nominal_mbar=nominal_mbar(ctx), size_kg_h=size),
        "nominal_mbar": nominal_mbar(ctx),
        "capacity_kg_h": size,
        "age_years": 0.0,
    }
    return _new(
        "gas",
        "gas-regulator",
        says("regulator-2"),
        f"{size:g} kg/h at {nominal_mbar(ctx):g} mbar",
        says("everything-burning-takes-fifth", peak_kg_h=w.part.peak_kg_h),
        says("on-wall-above-valve"),
        [{"op": "replace", "path": "/gas/regulator", "value": value}],
    )


def propose_runs(ctx: Context, w: Gassed) -> Proposal | None:
    """A main, and a run to each appliance that has none; their size is left to Bothy."""
    g = ctx.design.gas
    fed, taken = {p.appliance for p in g.pipes}, {p.id for p in g.pipes}
    open_ = [a for a in g.appliances if a.id not in fed]
    if not open_:
        return None
    main = next((p.id for p in g.pipes if p.parent is None), None)
    made: list[dict[str, Any]] = []
    if main is None:
        main = "main"
        made.append(
            {"id": main, "name": says("main"), "length_m": 3.0, "clip_m": 0.5, "grommets": True, "fittings": {"valve_ball": 1, "bend_90": 3}, "by": "proposal"}
        )
        taken.add(main)
    for a in open_:
        id = next(n for n in (f"to-{a.id}"[:40], *(f"run-{i}" for i in range(1, 90))) if n not in taken)
        taken.add(id)
        made.append(
            {
                "id": id,
                "name": f"To {a.name}"[:120],
                "parent": main,
                "appliance": a.id,
                "length_m": 1.0,
                "clip_m": 0.5,
                "grommets": True,
                "fittings": {"tee_branch": 1, "valve_appliance": 1, "elbow_90": 1},
                "by": "proposal",
            }
        )
    return _new(
        "gas",
        "gas-runs",
        says("pipes"),
        says("runs-each-appliance-own", made_count=len(made)),
        says("with-way-known-pressure"),
        says("usual-lengths-measure-way"),
        [{"op": "add", "path": "/gas/pipes/-", "value": p} for p in made],
    )


def propose_locker(ctx: Context, w: Gassed) -> Proposal | None:
    """A locker round the vessels that stand in one and have none, with grilles of the free area that the region asks for; grilles alone where they
    are too small. A boat's drain is for its builder."""
    g = ctx.design.gas
    inside = [v for v in g.vessels if v.place == "locker" and v.kind == "cylinder"]
    if not inside or rule_set_of(ctx) == "boat_drain" or (w.part.locker is not None and w.part.locker.ok):
        return None
    row = sum(v.count * v.diameter_m for v in inside)
    value: dict[str, Any] = {
        "length_m": round(row + 0.06, 2),
        "width_m": round(max(v.diameter_m for v in inside) + 0.04, 2),
        "height_m": round(max(v.height_m for v in inside) + 0.1, 2),
        "sealed": True,
        "vents": [],
    }
    patch: list[dict[str, Any]] = [] if g.locker is not None else [{"op": "replace", "path": "/gas/locker", "value": value}]
    trial = (
        ctx if g.locker is not None else Context(ctx.design.model_copy(update={"gas": type(g).model_validate({**g.model_dump(mode="json"), "locker": value})}))
    )
    part = gas_part(trial).part.locker
    if part is None:
        return None
    taken = {v.id for v in g.locker.vents} if g.locker else set()
    short = {"low": part.need_low_mm2 - part.have_low_mm2, "high": part.need_high_mm2 - part.have_high_mm2}
    said = []
    for position, lacks in short.items():
        if lacks <= 0:
            continue
        tall = 10.0 * math.ceil(lacks / MESH_FREE / VENT_W_MM / 10)
        id = next(n for n in (f"vent-{position}", *(f"vent-{position}-{i}" for i in range(2, 60))) if n not in taken)
        said.append(f"{VENT_W_MM:g} × {tall:g} mm {position}")
        patch.append(
            {
                "op": "add",
                "path": "/gas/locker/vents/-",
                "value": {
                    "id": id,
                    "name": says("grille", position=position),
                    "position": position,
                    "width_mm": VENT_W_MM,
                    "height_mm": tall,
                    "free_frac": MESH_FREE,
                },
            }
        )
    return _new(
        "gas",
        "gas-locker",
        says("locker") if g.locker is None else says("vents-locker"),
        ", ".join(
            ([f"{value['length_m']:g} × {value['width_m']:g} × {value['height_m']:g} m"] if g.locker is None else []) + [says("grille-2", s=s) for s in said]
        ),
        says("free-at-lowest-point", need_low_mm2=part.need_low_mm2)
        + (says("and-high", need_high_mm2=part.need_high_mm2) if part.need_high_mm2 else "")
        + says("asked-for-mesh-leaves"),
        says("gas-tight-to-inside"),
        patch,
    )


def propose_alarm_and_solenoid(ctx: Context, w: Gassed) -> Proposal | None:
    """An alarm low over the floor, and a solenoid that it shuts."""
    g = ctx.design.gas
    patch: list[dict[str, Any]] = []
    said, names = [], []
    if g.lpg_alarm is None:
        names.append("alarm")
        patch.append({"op": "replace", "path": "/gas/lpg_alarm", "value": {"height_m": 0.15}})
        said.append(says("gas-alarm-over-floor"))
    if g.solenoid is None:
        names.append("solenoid")
        patch.append({"op": "replace", "path": "/gas/solenoid", "value": {"normally_closed": True, "hold_w": 1.0, "open_h_day": 2.0, "by_alarm": True}})
        said.append(says("solenoid-closed-without-current"))
    if not patch:
        return None
    return _new(
        "gas",
        "gas-alarm",
        " and ".join(names).capitalize(),
        "; ".join(said),
        says("leaked-gas-lies-low"),
        says("solenoid-holds-with-and"),
        patch,
    )


WATER: tuple[Callable[[Context, Wet], Proposal | None], ...] = (propose_tanks, propose_pump_and_pipes)
GAS: tuple[Callable[[Context, Gassed], Proposal | None], ...] = (propose_regulator, propose_runs, propose_locker, propose_alarm_and_solenoid)


def propose_water(ctx: Context) -> list[Proposal]:
    """Water's proposals; none before somebody said how people wash, or that there is water at all."""
    if not ctx.design.life.appliances and not ctx.design.water.begun:
        return []
    try:
        w = water_part(ctx)
    except BadInput:  # a tank that can't be is said by its finding
        return []
    return [p for make in WATER if (p := make(ctx, w)) is not None]


def propose_gas(ctx: Context) -> list[Proposal]:
    """Gas's proposals, for what burns gas; none without an appliance: nobody is talked into gas."""
    if not ctx.design.gas.appliances:
        return []
    w = gas_part(ctx)
    return [p for make in GAS if (p := make(ctx, w)) is not None]
