"""All things of a design that take up room or weigh something, each once: size, mass, clearances, poses and what matters to its neighbours
(method fit.sizes)."""

from __future__ import annotations

from dataclasses import dataclass, replace
from math import ceil
from typing import Literal

from bothy.core.catalogue.parts import parts
from bothy.core.catalogue.things import Clearance, UsualThing, usual_things
from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.design.fit import OwnThing
from bothy.core.design.life import Appliance
from bothy.core.design.power import Bank
from bothy.core.design.water import WaterTank
from bothy.core.fit.boxes import FACES, Box
from bothy.core.fit.routing import Point
from bothy.core.gas.supply import capacity_kg, mixture
from bothy.core.power.chemistry import CHEMISTRIES
from bothy.core.water.stores import worked_tank
from bothy.core.words.says import fit_says as says

Origin = Literal["typed", "part", "usual"]
PERSON_KG = 75.0
FUEL_KG_L = {"diesel": 0.84, "petrol": 0.745}
NONE: Clearance = (0, 0, 0, 0, 0, 0)


HEAVY_KG = 8.0
"""From this on nothing hangs on a wall like a socket: a washing machine stands on the floor."""


@dataclass(frozen=True, slots=True)
class Thing:
    """A thing. ``size`` in m in its upright pose (length along x, its front at +x), ``mass_kg`` without contents; ``contents_kg`` of ``group`` when full.

    ``size_from`` and ``mass_from`` say where they come from. ``on_roof``: it stands outside, on the roof. ``hollow``: things may stand inside it.
    ``piece``: the size of one of the pieces that it is carried in and out in.
    ``ports``: where runs of a sort are joined to it, from its rear, right and lower corner, as far as that was measured.
    """

    key: str
    name: str
    what: str
    size: tuple[float, float, float]
    mass_kg: float
    clearance: Clearance
    why: str
    up: tuple[str, ...]
    tags: frozenset[str]
    size_from: Origin
    mass_from: Origin
    contents_kg: float = 0.0
    group: str = "fixed"
    on_roof: bool = False
    hollow: bool = False
    loss_w: float = 0.0
    piece: tuple[float, float, float] | None = None
    ports: tuple[tuple[str, Point], ...] = ()

    @property
    def full_kg(self) -> float:
        """With what is in it."""
        return self.mass_kg + self.contents_kg

    @property
    def small(self) -> bool:
        """Whether it is small enough to hang anywhere: a light, a socket, an alarm; nothing heavy, whatever its kind."""
        return "small" in self.tags and self.mass_kg < HEAVY_KG


def _of(key: str, name: str, usual: UsualThing, part_key: str | None, mass: float | None, **more: object) -> Thing:
    """A thing by what was typed of it, else its part, else what is usual."""
    part = parts().get(part_key or "")
    size, from_ = usual.size, "usual"
    if part is not None and min(part.length_mm, part.width_mm, part.height_mm) > 0:
        size, from_ = (part.length_mm / 1000, part.width_mm / 1000, part.height_mm / 1000), "part"
    if mass is not None:
        kg, kg_from = mass, "typed"
    elif part is not None and part.mass_kg > 0:
        kg, kg_from = part.mass_kg, "part"
    else:
        kg, kg_from = usual.mass_kg, "usual"
    made = Thing(key, name, usual.name, size, kg, usual.clearance, usual.why, usual.up, usual.tags, from_, kg_from)  # type: ignore[arg-type]
    return replace(made, **more)  # type: ignore[arg-type]


ROW_UNITS, SHELF_M = 4, 0.06
"""So many battery units stand in one row; more stand in two, or on a shelf with its air above the first."""


def _bank(b: Bank) -> Thing:
    usual = usual_things()
    if b.station is not None:
        return _of("power:bank", b.name, usual["station"], b.part, b.unit_mass_kg)
    lead = "lead" in CHEMISTRIES[b.chemistry].name
    base = usual["battery-lead" if lead else "battery-lithium"]
    n = b.series_count * b.parallel_count
    kwh = b.unit_voltage_v * b.unit_charge_ah / 1000
    one = _of("power:bank", b.name, base, b.part, None)
    if one.size_from == "usual":  # by its energy: a longer case of the usual section
        times = max(0.5, kwh / 1.28)
        one = replace(one, size=(min(0.55, base.size[0] * times), base.size[1] if times <= 1.7 else base.size[1] * times / 1.7, base.size[2]))
    unit_kg = b.unit_mass_kg if b.unit_mass_kg is not None else one.mass_kg if one.mass_from == "part" else CHEMISTRIES[b.chemistry].kg_per_kwh * kwh
    many = 1 if n <= ROW_UNITS else 2
    rows, tiers = (many, 1) if lead else (1, many)  # lead is watched and filled from above
    along = ceil(n / many)
    return replace(
        one,
        what=f"{n} × {base.name}" if n > 1 else base.name,
        size=(one.size[0] * rows + 0.01 * (rows - 1), one.size[1] * along + 0.01 * (along - 1), one.size[2] * tiers + SHELF_M * (tiers - 1)),
        piece=one.size if n > 1 else None,
        mass_kg=unit_kg * n,
        mass_from="typed" if b.unit_mass_kg is not None else one.mass_from,
    )


def _power(d: Design) -> list[Thing]:
    p, usual, out = d.power, usual_things(), []
    if p.bank is not None:
        out.append(_bank(p.bank))
    if p.inverter is not None:
        out.append(_of("power:inverter", p.inverter.name, usual["inverter"], p.inverter.part, p.inverter.mass_kg, loss_w=0.1 * p.inverter.rating_w * 0.5))
    controllers = [("controller", p.controller), *((f"controller-{a.id}", a.controller) for a in p.arrays)]
    out += [_of(f"power:{id}", c.name, usual["controller"], c.part, c.mass_kg) for id, c in controllers if c is not None]
    if p.driving is not None and p.driving.school != "second":
        out.append(_of("power:driving", p.driving.name, usual["dcdc"], p.driving.part, p.driving.mass_kg))
    if p.shore is not None and (p.bank is None or p.bank.station is None):
        out.append(_of("power:shore", p.shore.name, usual["charger"], p.shore.part, p.shore.mass_kg))
    if p.generator is not None:
        out.append(_of("power:generator", p.generator.name, usual["generator"], p.generator.part, p.generator.mass_kg))
    for a in p.arrays:
        if a.deploy == "ground":
            continue
        n = a.series_count * a.parallel_count
        one = _of(f"power:array-{a.id}", a.name, usual["array"], a.part, None)
        unit = a.unit_mass_kg if a.unit_mass_kg is not None else one.mass_kg if one.mass_from == "part" else a.panel_power_w * 0.057
        along = ceil(n / 2) if n > 1 else 1
        size = (one.size[0] * along, one.size[1] * (2 if n > 1 else 1), one.size[2])
        out.append(replace(one, size=size, mass_kg=unit * n, what=f"{n} × {one.what}" if n > 1 else one.what, on_roof=True))
    return out


def stand_ins(d: Design) -> dict[str, str]:
    """Appliances that are the electricity of a thing of another stage: id of the appliance -> key of that thing."""
    w, combined = d.water, [h for h in d.warmth.heaters if h.kind == "combined"]
    pairs = [(h.appliance, f"warmth:{h.id}") for h in d.warmth.heaters]
    if w.pump is not None:
        pairs.append((w.pump.appliance, "water:pump"))
    if w.hot is not None:
        pairs.append((w.hot.appliance, f"warmth:{combined[0].id}" if combined else "water:hot"))
    pairs += [(t.appliance, f"water:{t.id}") for t in w.tanks]
    if d.warmth.cooler is not None:
        pairs.append((d.warmth.cooler.appliance, "warmth:cooler"))
    if d.gas.solenoid is not None and d.gas.vessels:
        pairs.append((d.gas.solenoid.appliance, f"gas:{d.gas.vessels[0].id}"))
    return {appliance: thing for appliance, thing in pairs if appliance}


def _appliance(a: Appliance) -> Thing:
    usual = usual_things()
    key = a.kind
    if a.kind == "socket" and a.supply == "ac":
        key = "socket-mains"  # type: ignore[assignment]
    elif a.kind == "fan" and (a.power_w or 0) < 8:
        key = "fan-small"  # type: ignore[assignment]
    elif a.kind == "cooling" and "chest" in a.name.lower():
        key = "cooling-chest"  # type: ignore[assignment]
    one = _of(f"life:{a.id}", a.name, usual[key], a.part, a.mass_kg)
    tags = one.tags | ({"mains"} if a.supply == "ac" else {"dc"})
    if a.supply == "ac":
        tags -= {"dc"}
    return replace(
        one, tags=tags, mass_kg=one.mass_kg * a.count, what=f"{a.count} × {one.what}" if a.count > 1 else one.what, on_roof="roof" in tags and a.zone == "roof"
    )


def _life(d: Design) -> list[Thing]:
    linked = stand_ins(d)
    return [_appliance(a) for a in d.life.appliances if a.id not in linked and a.count > 0]


def _wiring(d: Design) -> list[Thing]:
    usual = usual_things()
    out = [_of(f"wiring:{b.id}", b.name, usual[f"board-{b.side}"], None, None) for b in d.wiring.boards]
    if d.wiring.panel is not None:
        p = d.wiring.panel
        one = _of("wiring:panel", says("switch-panel"), usual["panel"], None, None)
        out.append(replace(one, size=(max(0.03, (p.depth_mm or 60) / 1000), p.width_mm / 1000, p.height_mm / 1000), size_from="typed"))
    return out


def _warmth(d: Design) -> list[Thing]:
    usual, out = usual_things(), list[Thing]()
    apart = d.vehicle.preset in ("trailer", "truck_camper")  # elsewhere the fuel is in the vehicle's own mass
    for h in d.warmth.heaters:
        hot = d.water.hot.volume_l if h.kind == "combined" and d.water.hot is not None and d.water.hot.kind == "storage" else 0.0
        out.append(_of(f"warmth:{h.id}", h.name, usual[f"heater-{h.kind}"], h.part, h.mass_kg, contents_kg=hot, group="water"))
        litres = (h.tank_volume_l or 0.0) if apart and h.fuel in FUEL_KG_L else 0.0
        if litres > 0:
            side = (litres / 1000) ** (1 / 3)
            one = _of(
                f"warmth:fuel-{h.id}", says("fuel-tank", h_name=h.name), usual["fuel-tank"], None, None, contents_kg=litres * FUEL_KG_L[h.fuel], group="fuel"
            )
            out.append(replace(one, size=(side * 1.4, side, side / 1.3), mass_kg=0.08 * litres))
        elif h.fuel == "wood" and h.tank_mass_kg:
            out.append(_of(f"warmth:fuel-{h.id}", says("wood-for", h_name=h.name), usual["fuel-tank"], None, h.tank_mass_kg))
    out += [_of(f"warmth:duct-{x.id}", says("where-duct-ends", open=x.grille == "none", x_name=x.name), usual["grille"], None, None) for x in d.warmth.ducts]
    if d.warmth.loop is not None:  # a floor's pipe lies in the floor, a calorifier is the water heater
        blown = [z for z in d.warmth.loop.zones if z.emitter in ("fan_coil", "convector", "exchanger")]
        out += [_of(f"warmth:zone-{z.id}", z.name, usual[f"emitter-{z.emitter}"], None, None) for z in blown]
    if (c := d.warmth.cooler) is not None:
        one = _of("warmth:cooler", c.name, usual["cooler"], c.part, c.mass_kg)
        out.append(replace(one, on_roof=not c.hose_flow_m3_h))
    return out


def _tank(t: WaterTank) -> Thing:
    u = usual_things()["tank"]
    lengths, widths, tops = [], [], []
    for p in t.prisms:
        if p.op == "cut":
            continue
        if p.vertices_yz_m:
            ys, zs = [v[0] for v in p.vertices_yz_m], [v[1] for v in p.vertices_yz_m]
            width, height, length = max(ys) - min(ys), max(zs) - min(zs), p.length_m or u.size[0]
        elif p.diameter_m:
            upright = p.shape == "cylinder_vertical"
            width, height = p.diameter_m, (p.height_m or u.size[2]) if upright else p.diameter_m
            length = p.diameter_m if upright else p.length_m or u.size[0]
        else:
            length, width, height = p.length_m or u.size[0], p.width_m or u.size[1], p.height_m or u.size[2]
        lengths.append(length)
        widths.append(width)
        tops.append(p.base_z_m + height)
    try:
        litres = worked_tank(t).full_l
    except BadInput:
        litres = 0.0
    waste = t.holds in ("grey", "black")
    size = (max(lengths, default=u.size[0]), max(widths, default=u.size[1]), max(tops, default=u.size[2]))
    return Thing(
        f"water:{t.id}",
        t.name,
        says("water-tank", holds=t.holds),
        size,
        t.tank_mass_kg or 0.07 * litres,
        u.clearance,
        u.why,
        u.up,
        u.tags | {"tank"},
        "typed",
        "typed" if t.tank_mass_kg else "usual",
        litres,
        "waste" if waste else "water",
    )


def _water(d: Design) -> list[Thing]:
    w, usual = d.water, usual_things()
    out = [_tank(t) for t in w.tanks]
    if w.pump is not None:
        line = d.appliance(w.pump.appliance) if w.pump.appliance else None
        out.append(_of("water:pump", w.pump.name, usual["pump"], w.pump.part or (line.part if line else None), line.mass_kg if line else None))
    if w.hot is not None and not any(h.kind == "combined" for h in d.warmth.heaters) and not any(a.hot_water for a in d.gas.appliances):
        litres = w.hot.volume_l if w.hot.kind == "storage" else 0.0
        size = usual["hot-water"].size
        if litres > 0:
            side = (max(litres, 4.0) / 1000 * 1.6) ** (1 / 3)
            size = (side * 1.25, side * 0.92, side * 0.92)
        out.append(replace(_of("water:hot", w.hot.name, usual["hot-water"], w.hot.part, None, contents_kg=litres, group="water"), size=size))
    if w.toilet is not None and w.toilet.kind != "none":
        waste = w.toilet.capacity_l if w.toilet.kind == "cassette" else w.toilet.solids_l if w.toilet.kind == "separating" else 0.0
        out.append(_of("water:toilet", says("toilet"), usual["toilet"], None, None, contents_kg=waste, group="waste"))
    out += [_of(f"water:{f.id}", f.name, usual["filter"], None, None) for f in w.filters]
    out += [_of(f"water:drain-{x.id}", x.name, usual[f"fixture-{x.fixture}"], None, None) for x in w.drains]
    if w.jug_count and w.jug_l:
        one = _of("water:jugs", says("jugs", jug_count=w.jug_count, jug_l=w.jug_l), usual["tank"], None, None)
        out.append(replace(one, size=(0.25 * w.jug_count, 0.2, 0.35), mass_kg=0.8 * w.jug_count, contents_kg=w.jug_l * w.jug_count, group="water"))
    return out


def _gas(d: Design) -> list[Thing]:
    g, usual, out = d.gas, usual_things(), []
    mix = mixture(g)
    for v in g.vessels:
        kg = capacity_kg(v, mix) * v.count
        lying = v.kind == "tank"
        size = (v.height_m, v.diameter_m * v.count, v.diameter_m) if lying else (v.diameter_m, v.diameter_m * v.count, v.height_m)
        one = _of(f"gas:{v.id}", v.name, usual["vessel"], None, v.tare_kg * v.count, contents_kg=kg, group="gas")
        out.append(replace(one, size=size, size_from="typed", what=f"{v.count} × {one.what}" if v.count > 1 else one.what))
    hob = [a for a in g.appliances if a.kind in ("hob_burner", "grill")]
    for a in g.appliances:
        if a.heater is not None or a.outside_point or a in hob[1:]:
            continue
        kind = {"hob_burner": "hob", "grill": "hob", "oven": "gas-oven", "fridge": "gas-fridge", "water_heater": "hot-water", "combi_heater": "heater-combined"}
        litres = d.water.hot.volume_l if a.hot_water and d.water.hot is not None and d.water.hot.kind == "storage" else 0.0
        one = _of(f"gas:{a.id}", a.name, usual[kind.get(a.kind, "gas-other")], None, None, contents_kg=litres, group="water")
        out.append(replace(one, tags=one.tags | {"gas-user"}, group="water" if litres else "fixed"))
    return out


OWN_TAGS: dict[str, frozenset[str]] = {
    "bed": frozenset({"bed", "furniture"}),
    "kitchen": frozenset({"furniture", "sink"}),
    "bench": frozenset({"furniture"}),
    "overhead": frozenset({"furniture"}),
    "wardrobe": frozenset({"furniture"}),
    "wet_room": frozenset({"furniture"}),
    "partition": frozenset({"furniture"}),
    "seat": frozenset({"seat"}),
    "luggage": frozenset({"loose"}),
    "removed": frozenset({"removed"}),
    "other": frozenset(),
}


def _own(o: OwnThing) -> Thing:
    tags = OWN_TAGS[o.kind] | ({"flammable"} if o.flammable or o.kind in ("bed", "bench") else frozenset())
    return Thing(
        f"own:{o.id}",
        o.name,
        o.kind.replace("_", " "),
        (o.length_m, o.width_m, o.height_m),
        -o.mass_kg if o.kind == "removed" else o.mass_kg,
        NONE,
        "service",
        ("top",),
        tags,
        "typed",
        "typed",
        group="luggage" if o.kind == "luggage" else "fixed",
        hollow=o.hollow and o.kind not in ("seat", "luggage", "removed"),
    )


def things_of(design: Design) -> tuple[Thing, ...]:
    """Every thing of a design once, with what was measured of it laid over."""
    out = [*_power(design), *_wiring(design), *_warmth(design), *_water(design), *_gas(design), *_life(design), *map(_own, design.fit.own)]
    sizes = {s.of: s for s in design.fit.sizes}
    for i, t in enumerate(out):
        s = sizes.get(t.key)
        if s is None:
            continue
        size = tuple(b if a is None else a for a, b in zip((s.length_m, s.width_m, s.height_m), t.size, strict=True))
        clear = tuple(s.clearance_m.get(f, c) for f, c in zip(FACES, t.clearance, strict=True))
        typed = any(x is not None for x in (s.length_m, s.width_m, s.height_m))
        out[i] = replace(
            t,
            size=size,  # type: ignore[arg-type]
            clearance=clear,  # type: ignore[arg-type]
            ports=tuple((p.of, (p.x_m, p.y_m, p.z_m)) for p in s.ports),
            mass_kg=t.mass_kg if s.mass_kg is None else s.mass_kg,
            size_from="typed" if typed else t.size_from,
            mass_from="typed" if s.mass_kg is not None else t.mass_from,
        )
    return tuple(out)


_TURN = {  # which face of the upright pose comes to rear, front, right, left, bottom, top
    "top": ("rear", "front", "right", "left", "bottom", "top"),
    "front": ("top", "bottom", "right", "left", "rear", "front"),
    "rear": ("bottom", "top", "right", "left", "front", "rear"),
    "left": ("rear", "front", "top", "bottom", "right", "left"),
    "right": ("rear", "front", "bottom", "top", "left", "right"),
    "bottom": ("rear", "front", "left", "right", "top", "bottom"),
}
_YAW = {0: (0, 1, 2, 3), 90: (3, 2, 0, 1), 180: (1, 0, 3, 2), 270: (2, 3, 1, 0)}
"""Quarter turns to the left: which of rear, front, right, left of the upright pose comes to rear, front, right, left."""
_AXIS = {"rear": 0, "front": 0, "right": 1, "left": 1, "bottom": 2, "top": 2}


def pose_faces(up: str, yaw: int) -> tuple[str, ...]:
    """The face of the upright pose that looks to the rear, front, right, left, bottom and top of the vehicle."""
    tipped = _TURN[up]
    return (*(tipped[i] for i in _YAW[yaw]), tipped[4], tipped[5])


def posed(t: Thing, up: str, yaw: int) -> tuple[tuple[float, float, float], Clearance]:
    """Size along x, y, z and clearances at the vehicle's faces of a thing that is turned."""
    faces = pose_faces(up, yaw)
    size = (t.size[_AXIS[faces[1]]], t.size[_AXIS[faces[3]]], t.size[_AXIS[faces[5]]])
    clear = tuple(t.clearance[FACES.index(f)] for f in faces)
    return size, clear  # type: ignore[return-value]


def posed_point(t: Thing, up: str, yaw: int, point: Point) -> Point:
    """A point of a thing, m from its rear, right and lower corner in its upright pose, seen from that corner of its box when it is turned."""
    faces = pose_faces(up, yaw)

    def along(face: str) -> float:
        i = _AXIS[face]
        at = min(point[i], t.size[i])
        return at if face in ("rear", "right", "bottom") else t.size[i] - at

    return along(faces[0]), along(faces[2]), along(faces[4])


def box_at(t: Thing, x: float, y: float, z: float, up: str = "top", yaw: int = 0) -> Box:
    """The box of a thing with its least corner at a point."""
    (a, b, c), _ = posed(t, up, yaw)
    return Box(x, x + a, y, y + b, z, z + c)
