"""Places that Bothy proposes for what has none: a search over the free corners of the body, heaviest things first (method fit.places)."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any, NamedTuple

from bothy.core.design.document import Design
from bothy.core.design.fit import FitBay, PlaceDoc
from bothy.core.fit.boxes import Box, out_of_box, penetration
from bothy.core.fit.geometry import box_of, geometry_of
from bothy.core.fit.routing import square
from bothy.core.fit.search import CEILING, TOL, Search
from bothy.core.fit.things import Thing, posed
from bothy.core.method.sources import Method
from bothy.core.recognise import gas_alarm
from bothy.core.words.says import fit_says as says

SOURCE = Method("fit.places")
SPREAD_M = 1.5
"""How far apart grilles are wanted, m."""


class Proposed(NamedTuple):
    """A place for a thing, with the reasons."""

    thing: Thing
    doc: PlaceDoc
    why: tuple[str, ...]


class Places(NamedTuple):
    """Places for what had none, bays that they need, and things for which none was found."""

    places: tuple[Proposed, ...]
    bays: tuple[FitBay, ...]
    left: tuple[Thing, ...]

    def patch(self) -> list[dict[str, Any]]:
        """The change that takes all of it."""
        ops: list[dict[str, Any]] = [{"op": "add", "path": "/fit/bays/-", "value": b.model_dump(mode="json")} for b in self.bays]
        return ops + [{"op": "add", "path": "/fit/places/-", "value": p.doc.model_dump(mode="json")} for p in self.places]


def _near(search: Search, *keys: str, weight: float = 4.0) -> Callable[[Box], float]:
    """Wanting to be near the first of some things that stands."""

    def cost(box: Box) -> float:
        for k in keys:
            p = search.at(k)
            if p is not None:
                return weight * square(box.middle, p)
        return 0.0

    return cost


def _apart(search: Search) -> Callable[[Box], float]:
    """Wanting to be away from other grilles: warm air is spread."""
    others = [o.box for o in search.taken.values() if "grille" in o.thing.what]
    return lambda box: sum(9.0 * max(0.0, SPREAD_M - square(box.middle, o.middle)) for o in others)


FURNITURE_FIRST = {"bed": 0, "wet room": 1, "kitchen": 2, "wardrobe": 3, "bench": 4, "overhead": 5}
"""What is placed before all else, and in which order."""


def _wet_room(search: Search) -> Box | None:
    return next((o.box for o in search.taken.values() if o.thing.what == "wet room"), None)


def _own(search: Search, kind: str) -> Box | None:
    return next((o.box for o in search.taken.values() if o.thing.what == kind), None)


def _furniture(s: Search, t: Thing) -> tuple[Box, int, str] | None:
    h, body = s.body.hull, s.body
    kind = t.what
    if kind == "bed":
        z = 0.72 if body.height >= 1.7 else 0.32
        to_the_end = (lambda b: 200 * (h.last - b.x1)) if s.only_rear else (lambda b: 200 * (b.x0 - h.first))
        got = s.best(t, z, to_the_end, sides=("middle", "left", "right"), aisle=False)
        return (*got, says("at-front-away-from-door") if s.only_rear else says("at-rear-with-room")) if got else None
    if kind == "overhead":
        z = round(max(0.6, body.height - 0.08 - t.size[2]), 3)
        kitchen = _own(s, "kitchen")
        over = lambda b: 90.0 if kitchen and b.middle[1] * kitchen.middle[1] > 0 and b.x0 < kitchen.x1 and b.x1 > kitchen.x0 else 0.0  # noqa: E731
        got = s.best(t, z, over, sides=("left", "right"))
        return (*got, says("high-along-wall-for")) if got else None
    if kind == "seat":
        got = s.best(t, 0.0, lambda b: 100 * (h.last - b.x1), sides=("left", "right", "middle"), aisle=False)
        return (*got, says("at-front-facing-way")) if got else None
    if kind == "removed":
        return Box(h.first + 1.5, h.first + 1.5 + t.size[0], -t.size[1] / 2, t.size[1] / 2, 0.0, t.size[2]), 0, says("where-stood")
    want = {"kitchen": 0.42, "bench": 0.75, "wardrobe": 0.35}.get(kind, 0.5)

    def target(b: Box) -> float:
        nobody_sits = kind == "bench" and s.under_bed(b)
        return 30 * abs(b.middle[0] - (h.first + want * body.length)) + (300 if nobody_sits else 0)

    got = s.best(t, 0.0, target, aisle=kind != "wet room" and kind != "wardrobe")
    if got and kind == "bench" and s.under_bed(got[0]):
        return (*got, says("under-bed-as-store"))
    why = {"kitchen": says("amidships-where-one-stands"), "wet room": says("near-middle-by-tanks"), "bench": says("towards-front")}.get(kind, "Along the wall.")
    return (*got, why) if got else None


def _zone_x(s: Search, t: Thing) -> tuple[float, float]:
    """Along which part of the body a small thing of a zone hangs."""
    h, length = s.body.hull, s.body.length
    a = s.design.appliance(t.key.partition(":")[2]) if t.key.startswith("life:") else None
    duct = next((x for x in s.design.warmth.ducts if t.key == f"warmth:duct-{x.id}"), None)
    zone = a.zone if a is not None else duct.zone if duct is not None else "living"
    box = _wet_room(s) if zone == "washroom" else _own(s, zone) if zone in ("kitchen", "bed") else None
    if box is not None:
        return box.x0, max(box.x1, box.x0 + 0.5)
    spans = {"kitchen": (0.35, 0.65), "bed": (0.0, 0.35), "washroom": (0.3, 0.6), "garage": (0.0, 0.3), "cab": (0.8, 1.0), "outside": (0.5, 0.8)}
    a0, a1 = spans.get(zone, (0.35, 0.9))
    return h.first + a0 * length, h.first + a1 * length


def _hung(t: Thing, top: float) -> tuple[float, str]:
    """How high a small thing on a wall hangs over the floor in m, under a ceiling at ``top``, and why."""
    name = t.name.lower()
    gas, alarm = gas_alarm(name), "alarm" in t.what or "alarm" in name
    if "grille" in t.what:
        return 0.12, says("low-in-zone-warm")
    if gas:
        z = 0.15
    elif alarm:
        z = min(1.5, top - 0.3)
    else:
        z = 0.95 if "socket" in t.what else min(1.2, top - 0.3)
    return z, says("low-where-gas-gathers") if gas else says("on-wall-zone")


def _small(s: Search, t: Thing) -> tuple[Box, int, str] | None:
    size, top = t.size, s.body.height
    if "light" in t.what:
        z, sides, why = None, ("middle", "left", "right"), says("on-ceiling-zone")
        for x_range in (_zone_x(s, t), None):
            for side in sides:
                for box, yaw in s.candidates(t, top - 0.09 - size[2], x_range, (side,)):
                    ceiling = s.body.hull.over(box.x0, box.x1, 0.5, 0.6).height_m
                    hung = box._replace(z0=ceiling - CEILING - size[2], z1=ceiling - CEILING)
                    if s.fits(t, hung, yaw):
                        return hung, yaw, why
        return None
    grille = "grille" in t.what
    z, why = _hung(t, top)
    for x_range in (_zone_x(s, t), None):
        for want in (z, z + 0.15, max(0.1, z - 0.2), z + 0.3):
            got = s.best(t, want, _apart(s) if grille else lambda b: 0.0, x_range=x_range)
            if got:
                return (*got, why)
    return None


def _special(s: Search, t: Thing) -> tuple[Box, int, str, str | None] | None:
    """Things with a place of their own kind: gas in a locker, tanks under the floor, hob and sink on the kitchen, the toilet in the wet room."""
    h, body, d = s.body.hull, s.body, s.design
    id = t.key.partition(":")[2]
    if t.key.startswith("gas:") and "gas" in t.tags:
        return _locker(s, t)
    if t.key == "power:generator":
        return _rear_locker(s, t, "outside_locker", "generator-locker", says("generator-locker"))
    under = False
    if "tank" in t.tags:
        tank = next((x for x in d.water.tanks if x.id == id), None)
        under = tank is not None and tank.place in ("underfloor", "outside")
    if t.key == "power:bank":
        under = d.vehicle.bank_place == "underfloor"
    if under:
        bay = s.bay("under", says("under-floor"), "underfloor", Box(h.first + 0.1, h.last - 0.1, -0.75, 0.75, -0.62, -0.06), thermal="outside", enclosed=True)
        made = s.bays[bay]
        others = [o.box for o in s.taken.values() if o.doc.bay == bay]
        z1 = made.z1_m - 0.01 - t.clearance[5]
        spots = []
        for x in s._xs(t.size[0]):
            for y in (-0.72, 0.72 - t.size[1], -t.size[1] / 2):
                box = Box(x, x + t.size[0], y, y + t.size[1], z1 - t.size[2], z1)
                if out_of_box(box, box_of(made))[0] <= TOL and all(penetration(box.grown((0.03,) * 6), o) <= 0 for o in others):
                    axle = any(abs(box.middle[0] - a) < t.size[0] / 2 + 0.25 for a in (body.gear.rear_x, body.gear.second_x) if a is not None)
                    if not axle:
                        spots.append((s.price(t, box, lambda b: 0.0), box))
        if spots:
            return min(spots, key=lambda q: (round(q[0], 6), q[1]))[1], 0, says("under-floor-as-said"), bay
        return None
    top = next((o.box for k, o in s.taken.items() if o.thing.what == "kitchen"), None)
    if {"hob"} & t.tags or t.what == "sink":
        if top is None:
            return None
        yaw = 270 if top.middle[1] > 0 else 90
        size, _ = posed(t, "top", yaw)
        z0 = top.z1 - size[2] if t.what == "sink" else top.z1 - 0.06
        for i in range(24):
            step = i * (top.x1 - top.x0 - size[0]) / 23
            x = top.x0 + step if t.what == "sink" else top.x1 - size[0] - step
            front = top.y0 + 0.01 if yaw == 270 else top.y1 - size[1] - 0.01
            for y in ((top.y0 + top.y1 - size[1]) / 2, front):
                box = Box(x, x + size[0], y, y + size[1], z0, z0 + size[2])
                if s.fits(t, box, yaw):
                    return box, yaw, says("in-worktop-kitchen"), None
        return None
    if top is not None and "gas-user" in t.tags and t.what == "oven":
        yaw = 270 if top.middle[1] > 0 else 90
        size, _ = posed(t, "top", yaw)
        y = top.y0 + 0.01 if yaw == 270 else top.y1 - size[1] - 0.01
        box = Box(top.x1 - size[0] - 0.02, top.x1 - 0.02, y, y + size[1], top.z1 - 0.1 - size[2], top.z1 - 0.1)
        if s.fits(t, box, yaw):
            return box, yaw, says("in-kitchen-under-hob"), None
    wet = _wet_room(s)
    if wet is not None and ("toilet" in t.tags or t.what == "shower tray" or t.what == "basin"):
        yaw = 270 if wet.middle[1] > 0 else 90
        size, _ = posed(t, "top", yaw)
        z = {"shower tray": 0.0, "basin": 0.75}.get(t.what, 0.09)
        for x, y in (
            (wet.x0 + 0.02, wet.y0 + 0.02),
            (wet.x1 - size[0] - 0.02, wet.y0 + 0.02),
            (wet.x0 + 0.02, wet.y1 - size[1] - 0.02),
            (wet.x1 - size[0] - 0.02, wet.y1 - size[1] - 0.02),
        ):
            box = Box(x, x + size[0], y, y + size[1], z, z + size[2])
            if out_of_box(box, wet)[0] <= 0.002 and all(penetration(box, o.box) <= TOL or o.thing.hollow for o in s.taken.values()):
                return box, yaw, says("in-wet-room"), None
    return None


LOCKER_ROOM_M = 0.03
"""Air between a thing and its locker's walls."""


def _locker(s: Search, t: Thing) -> tuple[Box, int, str, str | None] | None:
    """Vessels in a locker that drains outside: at the rear end by a side wall, on a trailer's drawbar, or under the floor for a fixed tank."""
    h, body, d = s.body.hull, s.body, s.design
    vessel = next((v for v in d.gas.vessels if v.id == t.key.partition(":")[2]), None)
    if vessel is not None and vessel.place == "underfloor":
        box = Box(s.rear + 0.5, s.rear + 0.5 + t.size[0], 0.1, 0.1 + t.size[1], -0.1 - t.size[2], -0.1)
        bay = s.bay("under-gas", says("gas-tank-under-floor"), "underfloor", box.grown((0.05, 0.05, 0.05, 0.05, 0.05, 0.03)), thermal="outside")
        return box, 0, says("under-floor-where-leak"), bay
    if body.gear.kind == "trailer":
        taken = [o.box for o in s.taken.values() if o.doc.bay == "drawbar"]
        x = h.last + 0.08 + sum(b.x1 - b.x0 + 0.02 for b in taken)
        box = Box(x, x + t.size[0], -t.size[1] / 2, t.size[1] / 2, 0.0, t.size[2])
        bay = s.bay(
            "drawbar", says("gas-on-drawbar"), "gas_locker", Box(h.last + 0.05, h.last + 1.1, -0.5, 0.5, -0.05, 0.8), thermal="outside", sealed_inside=True
        )
        return box, 0, says("on-drawbar-outside-and"), bay
    return _rear_locker(s, t, "gas_locker", "gas-locker", says("gas-locker"))


def _rear_locker(s: Search, t: Thing, kind: str, id: str, name: str) -> tuple[Box, int, str, str | None] | None:
    """A locker round a thing at the rear end by a side wall, closed to the inside and open to the outside."""
    h, room = s.body.hull, LOCKER_ROOM_M
    got = s.best(t, 0.01, lambda b: 60 * (b.x0 - h.first), sides=("left", "right"), aisle=False)
    if got is None:
        return None
    box, yaw = got
    n = sum(b.kind == kind for b in s.bays.values())
    around = box.grown((room, room, room, room, 0.01, 0.12))
    bay = s.bay(f"{id}-{n + 1}" if n else id, name, kind, around, thermal="outside", sealed_inside=True)
    return box, yaw, says("at-rear-by-outside"), bay


def _joined_z(s: Search, t: Thing) -> float | None:
    """Joined tanks stand at one height: that of the first which stands."""
    id = t.key.partition(":")[2]
    for join in s.design.water.joins:
        if id in join.tanks:
            return next((s.taken[f"water:{x}"].box.z0 for x in join.tanks if f"water:{x}" in s.taken), None)
    return None


def _with_room_for_the_inverter(s: Search, t: Thing) -> tuple[Box, int] | None:
    """The bank's place, with the one in view that is then left for the inverter: their cable carries most of all, and every metre of it is dear."""
    inverter = next((x for x in s.geo.unplaced if x.key == "power:inverter"), None)
    if inverter is None:
        return s.best(t, 0.0, lambda b: 0.0)
    best: tuple[float, Box, int] | None = None
    for box, yaw in s.cheapest(t, 0.0, TRIED):
        with s.standing(t, box, yaw):
            got = _plain(s, inverter)
            cost = s.price(t, box, lambda b: 0.0) + (s.price(inverter, got[0], lambda b: 0.0) if got else 1e6)
        if best is None or cost < best[0] - 1e-9:
            best = cost, box, yaw
    return best[1:] if best else None


TRIED = 8
"""Places of the bank that are looked at for the room beside them, at most one every 0.4 m along each wall."""


def _plain(s: Search, t: Thing) -> tuple[Box, int, str] | None:
    """Everything else: along a wall where it costs least."""
    top, tags = s.body.height, t.tags
    door = next((x for x in s.body.doors if x.side in ("left", "right")), None)
    if t.key == "wiring:panel":
        x = door.a if door else s.body.hull.first + 0.6 * s.body.length
        got = s.best(t, min(1.25, top - 0.35), lambda b: 6 * abs(b.middle[0] - x))
        return (*got, says("by-door-within-reach")) if got else None
    if "electrics" in tags:
        near = _near(s, "power:bank", "power:inverter", weight=6.0)
        wants = (0.5, 0.35, 0.8, 1.1) if "reach" in tags else (0.12, 0.35, 0.5, 0.8)
        found = [got for z in wants if (got := s.best(t, min(z, top - 0.3), near))]
        if not found:
            return None
        why = says("near-bank-short-thick") + (says("at-front-where-reached") if "reach" in tags else ".")
        return (*min(found, key=lambda g: round(s.price(t, g[0], near), 6)), why)
    if "tank" in tags or "water" in tags:
        waste = t.group == "waste"
        got = s.best(t, _joined_z(s, t), lambda b: t.full_kg * 0.15 * abs(b.middle[0] - s.rear), sides=("left", "right"))
        return (*got, says("low-by-rear-axle") + (says("so-that-full-or") if not waste else ".")) if got else None
    if "battery" in tags:
        got = _with_room_for_the_inverter(s, t)
        return (*got, says("low-and-between-axles")) if got else None
    if "fridge" in tags:
        kitchen = next((k for k, o in s.taken.items() if o.thing.what == "kitchen"), "")
        got = s.best(t, 0.0, _near(s, kitchen, weight=8.0)) or s.best(t, None, _near(s, kitchen, weight=8.0))
        return (*got, says("on-floor-by-kitchen")) if got else None
    if "burner" in tags or "heat" in tags:
        got = s.best(t, None, lambda b: 0.0)
        return (*got, says("on-floor-by-wall")) if got else None
    got = s.best(t, None, lambda b: 0.0, x_range=None) or s.best(t, 0.6, lambda b: 0.0)
    return (*got, says("where-free-along-wall")) if got else None


def _rank(t: Thing) -> tuple[int, float, str]:
    """The order of placing: furniture, gas and the heavy, what goes with the bank, the rest, the small."""
    if t.what in FURNITURE_FIRST:
        return 0, FURNITURE_FIRST[t.what], t.key
    if "furniture" in t.tags or "seat" in t.tags or "removed" in t.tags:
        return 0, 9, t.key
    if "hob" in t.tags or t.what in ("sink", "oven"):
        return 1, float(t.what == "oven"), t.key
    if "gas" in t.tags:
        return 2, 0, t.key
    if "tank" in t.tags or "battery" in t.tags or "fridge" in t.tags or "toilet" in t.tags:
        return 3, -t.full_kg, t.key
    if t.key == "power:inverter" or "burner" in t.tags:
        return 4, -t.full_kg, t.key
    if "electrics" in t.tags:
        return 5, 0 if "reach" in t.tags else 1, t.key
    return (7 if t.small else 6), -t.full_kg, t.key


def propose_places(design: Design, between: Callable[[float], None] | None = None, only: frozenset[str] | None = None) -> Places:
    """Places for everything inside that has none (or for ``only`` some of it); what lies on the roof is laid out there. ``between`` is told how far it is,
    0 to 1. What is placed stays."""
    geo = geometry_of(design)
    s, out, left = Search(design, geo), [], []
    todo = sorted((t for t in geo.unplaced if not t.on_roof and (only is None or t.key in only)), key=_rank)
    for i, t in enumerate(todo):
        if between is not None:
            between(i / max(1, len(todo)))
        bay: str | None = None
        found: tuple[Box, int, str] | None
        special = _special(s, t)
        if special is not None:
            found, bay = special[:3], special[3]
        elif "hob" in t.tags or t.what == "sink" or (t.key.startswith("gas:") and "gas" in t.tags):
            found = None  # without a worktop, or a free corner outside, they have no place
        elif "furniture" in t.tags or "seat" in t.tags or "removed" in t.tags:
            found = _furniture(s, t)
        elif t.small or "light" in t.what:
            found = _small(s, t)
        else:
            found = _plain(s, t)
        if found is None:
            left.append(t)
            continue
        box, yaw, why = found
        doc = s.put(t, box, yaw, bay)
        out.append(Proposed(t, doc, _reasons(s, t, box, why)))
    return Places(tuple(out), tuple(s.made), tuple(left))


def _reasons(s: Search, t: Thing, box: Box, why: str) -> tuple[str, ...]:
    out = [why]
    near = sorted(((square(box.middle, p), o) for o, _ in s.partners.get(t.key, ()) if (p := s.at(o)) is not None and o in s.taken))
    if near:
        out.append(says("next-to-what-joined", near_m=near[0][0], thing_name=s.taken[near[0][1]].thing.name))
    if t.full_kg >= 20:
        out.append(says("stand-from-rear-axle", full_kg=t.full_kg, middle_m=box.middle[0] - s.rear, middle_m_2=box.middle[2]))
    return tuple(out)
