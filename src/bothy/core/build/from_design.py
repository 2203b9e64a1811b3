"""What a design asks of its builder: the tags and amounts that call tasks, and what a task lays behind which wall (method build.tasks)."""

from __future__ import annotations

from contextlib import suppress

from bothy.core.build.hot_work import hot_first
from bothy.core.build.schools import BEFORE_CABLES, ON_THE_WALLS
from bothy.core.build.task_list import Task, generate, usual_schools
from bothy.core.build.templates import Template, whole_library
from bothy.core.build.way_in import barred, brought_in_first
from bothy.core.design.build import OwnTask
from bothy.core.design.document import Design
from bothy.core.report import Report
from bothy.core.words.says import build_says as says

ZONES = {
    "floor": says("floor"),
    "wall_left": says("left-wall"),
    "wall_right": says("right-wall"),
    "ceiling": says("ceiling"),
    "doors": says("doors"),
    "cabinet": says("cabinets"),
    "equipment_box": says("equipment-box"),
}
WALL_ZONE = {"left": "wall_left", "right": "wall_right", "ceiling": "ceiling", "floor": "floor", "under": "floor", "front": "equipment_box"}
"""Walls of Layout -> zones of the build."""
LAYS: dict[str, str] = {
    "dc": "ff-dc-cables",
    "mains": "ff-ac-cables",
    "data": "ff-data",
    "water": "ff-water-pipes",
    "waste": "ff-water-pipes",
    "duct": "ff-ducts",
}
"""Service of a run -> the task that lays it behind the linings."""
FOAM = ("spray", "foamed")


def tags_of(d: Design) -> frozenset[str]:
    """What of a vehicle calls tasks."""
    p, w, g, warm = d.power, d.water, d.gas, d.warmth
    kinds = {a.kind for a in d.life.appliances}
    roof_things = {o.kind for o in d.fit.roof.own}
    furniture = {o.kind for o in d.fit.own}
    heaters = warm.heaters
    fans = any(a.kind == "fan" and a.zone == "roof" for a in d.life.appliances) or any(v.kind == "roof_fan" for v in warm.vents)
    windows = any(o.kind == "window" and o.on != "roof" for o in warm.openings)
    lights = any(o.on == "roof" and f"light:{o.id}" not in _kept(d) and f"light:{o.id}-1" not in _kept(d) for o in warm.openings)
    said = {
        "ac": p.shore is not None or (p.inverter is not None and any(a.supply == "ac" for a in d.life.appliances)),
        "battery": p.bank is not None,
        "dc_panel": any(c.kind in ("load", "feeder") for c in d.wiring.circuits) or bool(d.wiring.boards),
        "dcdc": p.driving is not None,
        "inverter": p.inverter is not None,
        "solar": any(a.deploy != "ground" for a in p.arrays),
        "fridge": "cooling" in kinds or any(a.kind == "fridge" for a in g.appliances),
        "heater_fuel": any(h.fuel in ("diesel", "petrol") for h in heaters),
        "stove_wood": any(h.fuel == "wood" for h in heaters),
        "duct": bool(warm.ducts),
        "coolant_loop": warm.loop is not None,
        "underfloor_heat": any("floor" in h.name.lower() and h.kind not in ("air", "combined") for h in heaters),
        "roof_fan": fans,
        "roof_ac": warm.cooler is not None and not warm.cooler.hose_flow_m3_h,
        "window": windows,
        "rooflight": lights or "hatch" in roof_things,
        "side_opening": p.shore is not None or any(v.kind in ("fixed_wall_high", "wall_fan", "extract") for v in warm.vents) or bool(w.tanks) or bool(heaters),
        "floor_opening": any(v.kind == "fixed_low" for v in warm.vents) or bool(g.vessels) or any(h.fuel in ("diesel", "petrol") for h in heaters),
        "floor_services": any(b.kind == "underfloor" for b in d.fit.bays),
        "water": bool(w.tanks or w.jug_count or w.pump),
        "fresh_tank": any(t.holds == "fresh" for t in w.tanks),
        "grey_tank": any(t.holds == "grey" for t in w.tanks),
        "under_tank": any(t.place == "underfloor" for t in w.tanks),
        "tap": bool(w.runs) or any(x.fixture in ("sink", "basin") for x in w.drains),
        "shower": any(x.fixture == "shower" for x in w.drains),
        "water_heater": w.hot is not None,
        "toilet": w.toilet is not None and w.toilet.kind != "none",
        "gas": bool(g.appliances and g.vessels),
        "gas_locker": bool(g.vessels),
        "pop_top": warm.pop_top is not None,
        "spray_foam": any(any(word in (x.material or "") for word in FOAM) for b in warm.build_ups for x in b.layers),
        "data": any("sensor" in a.name.lower() or "camera" in a.name.lower() or "router" in a.name.lower() for a in d.life.appliances)
        or p.bank is not None
        or bool(d.fit.signals),
        "bed": "bed" in furniture,
        "kitchen": "kitchen" in furniture,
        "overhead": "overhead" in furniture,
        "wardrobe": "wardrobe" in furniture or "wet_room" in furniture,
        "furniture": bool(furniture & {"bed", "kitchen", "overhead", "wardrobe", "bench", "wet_room"}),
        "boat": d.vehicle.preset == "boat",
        "bilge": d.vehicle.preset == "boat",
        "antenna": "aerial" in roof_things or "antenna" in d.build.also,
    }
    also = set(d.build.also) - {"antenna"}
    return frozenset(k for k, v in said.items() if v) | also


def _kept(d: Design) -> set[str]:
    return {s.of for s in d.fit.roof.spots if s.kept}


def quantities_of(d: Design, r: Report) -> dict[str, float]:
    """Amounts that a task's hours grow with, as far as they are known."""
    holes = [t for t in r.roof.things if t.cut is not None and not t.kept]
    surfaces = {k: s.area_m2 for k, s in r.warmth.surfaces.items()}
    walls = surfaces.get("left", 0.0) + surfaces.get("right", 0.0)
    out: dict[str, float] = {
        "ac_circuit_count": sum(c.kind == "ac" for c in d.wiring.circuits),
        "dc_circuit_count": sum(c.kind == "load" for c in d.wiring.circuits),
        "duct_outlet_count": len(d.warmth.ducts),
        "gas_appliance_count": len(d.gas.appliances),
        "roof_opening_count": sum(t.kind in ("fan", "rooflight", "hatch", "air_conditioner") for t in holes),
        "solar_panel_count": sum(a.series_count * a.parallel_count for a in d.power.arrays if a.deploy != "ground"),
        "water_outlet_count": sum(x.outlet != "none" for x in d.water.runs),
        "window_count": sum(o.count for o in d.warmth.openings if o.kind == "window" and o.on != "roof"),
        "floor_area_m2": r.vehicle.inside_length_m * r.vehicle.inside_width_m,
        "ceiling_area_m2": surfaces.get("roof", r.vehicle.inside_length_m * r.vehicle.inside_width_m),
        "wall_area_m2": walls or 2 * r.vehicle.inside_length_m * r.vehicle.inside_height_m,
        "part_count": 12 + 2 * len(d.life.appliances) + len(d.wiring.circuits) + len(d.warmth.heaters) + len(d.water.tanks),
    }
    return {k: float(v) for k, v in out.items() if v > 0}


def schools_of(d: Design) -> dict[str, str]:
    """The schools of the build; whether there is a vapour barrier follows from the build-ups where it isn't said."""
    out = {k: getattr(d.build, k) for k in usual_schools()}
    tight = any(
        x.material is not None and ("membrane" in x.material or "barrier" in x.material or "vapour" in x.material) for b in d.warmth.build_ups for x in b.layers
    )
    out["vapour"] = d.build.vapour or ("barrier" if tight or not d.warmth.build_ups else "none")
    return out


def laid_behind(r: Report, layer: int = 2) -> dict[str, list[tuple[str, int]]]:
    """What each laying task really leaves in which zone at a layer, where the ways of Layout are known; a service without a way keeps what is usual."""
    out: dict[str, set[str]] = {}
    for wall in r.fit.walls:
        for row in wall.rows:
            task = LAYS.get(row.service)
            if task is not None:
                out.setdefault(task, set()).add(WALL_ZONE[wall.id])
    return {k: sorted((z, layer if z in ON_THE_WALLS else 2) for z in v) for k, v in out.items()}


def _own(o: OwnTask, row: int) -> Template:
    base = whole_library()["fin-as-built"]
    return base._replace(
        id=f"own-{o.id}",
        name=o.name,
        phase="finish" if not o.before else "shell",
        service="general",
        trigger=((),),
        scale=None,
        hours=(0.7 * o.hours, o.hours, 1.6 * o.hours),
        people=o.people,
        lift=False,
        skill="general",
        licence="none",
        hard=dict.fromkeys(o.after, True),
        pref=(),
        inside=((o.zone, 2),) if o.zone else (),
        closes=(),
        parts=(),
        tools=(),
        ppe=(),
        outdoor=o.outdoor,
        dry=o.outdoor,
        daylight=False,
        cure=None,
        filler=False,
        record="none",
        note="",
        row=row,
    )


def tasks_and_circle(d: Design, r: Report) -> tuple[list[Task], list[str]]:
    """Every task of a design, one's own among them, in the order of the work; and the own tasks that would close a circle with the library's: what was to wait
    for them doesn't."""
    templates: dict[str, Template] = hot_first(whole_library())
    for n, o in enumerate(d.build.own):
        templates[f"own-{o.id}"] = _own(o, 1000 + n)
    rest = (tags_of(d), quantities_of(d, r), schools_of(d))
    before = d.build.insulation == "before_first_fix"
    inside, without = laid_behind(r, BEFORE_CABLES[2] if before else 2), frozenset(d.build.own_way)
    tied = dict(templates)
    for o in d.build.own:
        for later in o.before:
            if later in tied:
                tied[later] = tied[later]._replace(hard={**tied[later].hard, f"own-{o.id}": True})
    things = barred(d, r)
    both = brought_in_first(tied, things)
    circle = [o.name for o in d.build.own if o.before]
    for known, left in ((both, []), (tied, []), (brought_in_first(templates, things), circle), (templates, circle)):
        with suppress(ValueError):
            return generate(*rest, known, inside, without), left
    raise AssertionError("the library itself has no circle")


def tasks_of(d: Design, r: Report) -> list[Task]:
    """Every task of a design in the order of the work."""
    return tasks_and_circle(d, r)[0]
