"""Geometry of a design before anything else is computed: body, things, where they stand, clashes, ways and lengths (method fit.boxes, fit.routes)."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from typing import Any, NamedTuple

from bothy.core.context import Context
from bothy.core.design.document import Design
from bothy.core.design.fit import FitBay, PlaceDoc
from bothy.core.design.wiring import Circuit, OtherCable
from bothy.core.fit.body import BodyShape, body_of
from bothy.core.fit.boxes import Box, Checked, Clash, clashes, out_of_box, penetration
from bothy.core.fit.net import ENGINE, WayNet, proposed
from bothy.core.fit.routing import Point, Routed, Wanted, square
from bothy.core.fit.things import Thing, posed, posed_point, stand_ins, things_of

OUTSIDE_KINDS = frozenset({"underfloor", "roof", "gas_locker", "outside_locker", "engine_bay", "cab", "garage"})
"""Bays that needn't lie within the living space's shell."""


PORT_OF = {"dc": "cable", "mains": "cable", "data": "cable", "water": "water", "waste": "water", "gas": "gas", "duct": "air"}
"""What a run carries -> the sort of port at which it ends."""


class Placed(NamedTuple):
    """A thing where it stands: its box in m, clearances at the vehicle's faces, its bay, and the furniture it stands in."""

    thing: Thing
    doc: PlaceDoc
    box: Box
    clearance: tuple[float, float, float, float, float, float]
    bay: FitBay | None
    inside: str

    def port(self, service: str) -> Point:
        """Where runs of a service reach it, m: where that was measured; else a battery on top, all else in the middle."""
        measured = next((at for of, at in self.thing.ports if of == PORT_OF[service]), None)
        if measured is None:
            x, y, z = self.box.middle
            return (x, y, self.box.z1 if "battery" in self.thing.tags else z)
        dx, dy, dz = posed_point(self.thing, self.doc.up, self.doc.yaw_deg, measured)
        return (self.box.x0 + dx, self.box.y0 + dy, self.box.z0 + dz)

    @property
    def open_box(self) -> Box:
        """Its box while the vehicle stands open."""
        o = self.doc.open
        return self.box if o is None else self.box.moved(o.x_m - self.doc.x_m, o.y_m - self.doc.y_m, o.z_m - self.doc.z_m)

    @property
    def moves_m(self) -> float:
        """How far it moves between travelling and standing open, m, square: what is joined to it needs that much more."""
        return 0.0 if self.doc.open is None else square(self.box.middle, self.open_box.middle)

    @property
    def in_room(self) -> bool:
        """Whether it stands in the living space or a closed part of it."""
        return not self.thing.on_roof and (self.bay is None or self.bay.kind not in OUTSIDE_KINDS)


class RunOf(NamedTuple):
    """A run to be routed: its id (``circuit:fridge``), name, service, and the things at its ends; ``many``: it serves several, one after the other."""

    id: str
    name: str
    service: str
    a: str
    b: tuple[str, ...]


class RouteOf(NamedTuple):
    """A run with its ways, one to each thing that it serves, and its length in m: the longest of them, and ``moves_m`` for the end that moves farthest
    when the vehicle is opened. ``missing`` things have no place yet."""

    run: RunOf
    ways: tuple[Routed, ...]
    length_m: float | None
    missing: tuple[str, ...]
    kept: bool
    moves_m: float = 0.0


class Geometry(NamedTuple):
    """All of it."""

    body: BodyShape
    things: tuple[Thing, ...]
    placed: dict[str, Placed]
    unplaced: tuple[Thing, ...]
    strays: tuple[PlaceDoc, ...]
    """Places of things that the design no longer has."""
    clashes: tuple[Clash, ...]
    ways: WayNet
    routes: dict[str, RouteOf]

    def lengths(self) -> dict[str, float]:
        """Run -> its length along the way in m, where that is the one to reckon with."""
        return {r.run.id: r.length_m for r in self.routes.values() if r.length_m is not None and not r.kept}


NO_ROOF: Mapping[str, Box] = {}


def _placed(design: Design, things: Iterable[Thing], roof: Mapping[str, Box]) -> tuple[dict[str, Placed], list[Thing], list[PlaceDoc]]:
    docs = {p.of: p for p in design.fit.places}
    bays = {b.id: b for b in design.fit.bays}
    out: dict[str, Placed] = {}
    without = []
    for t in things:
        p = docs.pop(t.key, None)
        if t.key in roof:  # laid out on the roof, part by part
            b = roof[t.key]
            out[t.key] = Placed(t, PlaceDoc(of=t.key, x_m=b.x0, y_m=b.y0, z_m=b.z0), b, (0.0,) * 6, None, "")
            continue
        if p is None:
            without.append(t)
            continue
        size, clear = posed(t, p.up, p.yaw_deg)
        box = Box(p.x_m, p.x_m + size[0], p.y_m, p.y_m + size[1], p.z_m, p.z_m + size[2])
        out[t.key] = Placed(t, p, box, clear, bays.get(p.bay or ""), "")
    hollow = [p for p in out.values() if p.thing.hollow]
    for key, one in out.items():
        within = [h for h in hollow if h.thing.key != key and stands_in(one.box, h.box)]
        if within:
            least = min(within, key=lambda h: (h.box.x1 - h.box.x0) * (h.box.y1 - h.box.y0) * (h.box.z1 - h.box.z0))
            out[key] = one._replace(inside=least.thing.key)
    return out, without, list(docs.values())


def stands_in(box: Box, furniture: Box, tolerance: float = 0.003) -> bool:
    """Whether a thing stands in a piece of furniture, or lies in its top as a hob does."""
    through_top = furniture.z0 <= box.z0 < furniture.z1 < box.z1
    return out_of_box(box._replace(z1=furniture.z1) if through_top else box, furniture)[0] <= tolerance


def box_of(b: FitBay) -> Box:
    """A bay as a box."""
    return Box(b.x0_m, b.x1_m, b.y0_m, b.y1_m, b.z0_m, b.z1_m)


def checked(body: BodyShape, placed: dict[str, Placed], free: frozenset[str] = frozenset()) -> list[Clash]:
    """All that meets, by design or not; ``free``: things that may leave the shell."""
    boxes = []
    for key, p in placed.items():
        if p.thing.on_roof or "removed" in p.thing.tags:
            continue
        onto_aisle = frozenset(("front", "rear", "right", "left")) if p.thing.why in ("door_swing", "service") else frozenset[str]()
        boxes.append(Checked(key, p.box, p.clearance, onto_aisle, box_of(p.bay) if p.bay else None, p.in_room and key not in free))
    return clashes(boxes, [(id, box) for id, _, _, box in body.obstacles], body.hull)


def by_design(placed: dict[str, Placed], c: Clash) -> bool:
    """What is no conflict: a thing in the furniture that holds it, a small thing on a piece of furniture, furniture before its own."""
    if c.kind not in ("overlap", "clearance") or c.b not in placed:
        return False
    a, b = placed[c.a], placed[c.b]
    if c.b == a.inside or c.a == b.inside:
        return True
    if c.kind == "clearance":  # the space that one asks for is not blocked by what is small, or by the cabinet round the other
        return b.thing.small or (b.thing.hollow and a.thing.why != "heat" and not serves(a.box, a.clearance, b.box))
    return (a.thing.small and b.thing.hollow) or (b.thing.small and a.thing.hollow)


def serves(box: Box, clear: tuple[float, ...], other: Box) -> bool:
    """Whether another thing stands before the side of a box that opens or is served (the face with the largest clearance)."""
    i = max(range(6), key=lambda k: clear[k])
    if clear[i] < 0.1:
        return False
    only = [0.0] * 6
    only[i] = clear[i]
    return penetration(box.grown(only), other) > 0.05


def runs_of(design: Design) -> list[RunOf]:
    """Every circuit, cable, pipe and duct of a design that has things at its ends."""
    return [*_circuits(design), *_signals(design), *_pipes(design), *_warm_air(design), *_coolant(design)]


def typed_lengths(design: Design) -> dict[str, float | None]:
    """Run -> its length in m as typed, whether or not it has things at its ends. Apart from the ways: a length that is typed moves nothing."""
    wiring, water = design.wiring, design.water
    rows: tuple[tuple[str, Iterable[Any]], ...] = (
        ("signal", design.fit.signals),
        ("circuit", wiring.circuits),
        ("cable", wiring.others),
        ("water", water.runs),
        ("drain", water.drains),
        ("gas", design.gas.pipes),
        ("duct", design.warmth.ducts),
    )
    out: dict[str, float | None] = {f"{of}:{r.id}": r.length_m for of, items in rows for r in items}
    if design.warmth.loop is not None:
        out |= {f"loop:{z.id}": z.pipe_length_m / 2 for z in design.warmth.loop.zones}
    return out


def _signals(design: Design) -> Iterable[RunOf]:
    for s in design.fit.signals:
        yield RunOf(f"signal:{s.id}", s.name, "data", s.a, (s.b,))


def _circuit_ends(design: Design, c: Circuit) -> tuple[str, tuple[str, ...]] | None:
    """Where a circuit begins and what it serves, as things."""
    board = f"wiring:{c.board}" if c.board else "power:bank"
    loads = tuple(f"life:{a}" for a in c.appliances)
    ends = {
        "inverter": ("power:bank", ("power:inverter",)),
        "solar": (f"power:controller-{c.array}" if c.array else "power:controller", ("power:bank",)),
        "driving": ("power:driving", ("power:bank",)),
        "driving_in": (ENGINE, ("power:driving",)),
        "shore": ("power:shore", ("power:bank",)),
        "trickle": ("power:bank", (ENGINE,)),
    }
    if c.kind in ends:
        return ends[c.kind]
    if c.kind == "feeder" and c.board is not None:
        of = design.board(c.board)
        return (f"wiring:{of.fed_from}" if of is not None and of.fed_from else "power:bank", (f"wiring:{c.board}",))
    if c.kind in ("load", "ac") and loads:
        return (board if c.kind == "load" or c.board else "power:inverter", loads)
    return None


def _circuits(design: Design) -> Iterable[RunOf]:
    stand_in = {f"life:{appliance}": thing for appliance, thing in stand_ins(design).items()}
    for c in design.wiring.circuits:
        ends = _circuit_ends(design, c)
        if ends is not None:
            service = "mains" if c.kind == "ac" else "dc"
            yield RunOf(f"circuit:{c.id}", c.name, service, ends[0], tuple(stand_in.get(b, b) for b in ends[1]))
    for o in design.wiring.others:
        other = _other_ends(design, o)
        if other is not None:
            yield RunOf(f"cable:{o.id}", o.name, "mains" if o.kind in ("inlet", "inverter_out") else "dc", other[0], (other[1],))


def _other_ends(design: Design, o: OtherCable) -> tuple[str, str] | None:
    if o.kind == "panels":
        arrays = [a for a in design.power.arrays if a.id == o.array] if o.array else design.power.shared_arrays
        if arrays:
            return f"power:array-{arrays[0].id}", f"power:controller-{o.array}" if o.array else "power:controller"
    if o.kind == "inverter_out":
        board = next((b for b in design.wiring.boards if b.side == "ac"), None)
        return ("power:inverter", f"wiring:{board.id}") if board else None
    return None


def _pipes(design: Design) -> Iterable[RunOf]:
    w, g, warm = design.water, design.gas, design.warmth
    fixture = {d.fixture: f"water:drain-{d.id}" for d in reversed(w.drains)}
    heater = "water:hot" if w.hot is not None else ""
    if heater and any(h.kind == "combined" for h in warm.heaters):
        heater = next(f"warmth:{h.id}" for h in warm.heaters if h.kind == "combined")
    ends = {"sink": fixture.get("sink"), "basin": fixture.get("basin"), "shower": fixture.get("shower"), "toilet": "water:toilet", "heater": heater or None}
    for r in w.runs:
        end = ends.get(r.outlet)
        if end and r.parent is None:
            yield RunOf(f"water:{r.id}", r.name, "water", "water:pump", (end,))
    grey = next((f"water:{t.id}" for t in w.tanks if t.holds == "grey"), None)
    for d in w.drains:
        if grey:
            yield RunOf(f"drain:{d.id}", d.name, "waste", f"water:drain-{d.id}", (grey,))
    if g.vessels:
        store = f"gas:{g.vessels[0].id}"
        for p in g.pipes:
            if p.appliance and p.parent is None:
                a = next(x for x in g.appliances if x.id == p.appliance)
                yield RunOf(f"gas:{p.id}", p.name, "gas", store, (f"warmth:{a.heater}" if a.heater else f"gas:{a.id}",))


def _warm_air(design: Design) -> Iterable[RunOf]:
    """Ducts: from the heater that blows into them, or from the end of the one that they branch off."""
    heater = design.warmth.blower
    for d in design.warmth.ducts:
        if d.parent is not None or heater is not None:
            start = f"warmth:{heater.id}" if d.parent is None and heater is not None else f"warmth:duct-{d.parent}"
            yield RunOf(f"duct:{d.id}", d.name, "duct", start, (f"warmth:duct-{d.id}",))


def _coolant(design: Design) -> Iterable[RunOf]:
    """Hoses of the coolant loop, each as long as one way of its two; a floor's pipe is mostly in the floor and stays as typed."""
    loop, heater = design.warmth.loop, next((h for h in design.warmth.heaters if h.kind == "coolant"), None)
    if loop is None or heater is None:
        return
    for z in loop.zones:
        if z.emitter != "floor":
            end = "water:hot" if z.emitter == "calorifier" else f"warmth:zone-{z.id}"
            yield RunOf(f"loop:{z.id}", z.name, "water", f"warmth:{heater.id}", (end,))


def _routes(design: Design, stood: Geometry) -> dict[str, RouteOf]:
    ways, placed, body = stood.ways, stood.placed, stood.body
    keep, pins = frozenset(design.fit.keep), {p.run: p.node for p in design.fit.pins}
    out = {}
    engine = ways.net.nodes.get(ENGINE, (body.hull.last + 0.9, 0.0, 0.35))

    def at(key: str, service: str) -> Point | None:
        if key == ENGINE:
            return engine
        p = placed.get(key)
        return p.port(service) if p is not None else None

    for r in runs_of(design):
        missing = tuple(k for k in (r.a, *r.b) if at(k, r.service) is None)
        start, found = at(r.a, r.service), []
        if start is not None:
            for b in r.b:
                end = at(b, r.service)
                if end is None:
                    continue
                pin = pins.get(r.id)
                if pin is not None and pin in ways.net.nodes:
                    found.append(_through(ways, r, b, start, end, pin))
                else:
                    found.append(ways.net.route(Wanted(b, r.service, start, end), joined=True))
        known = [w.along_m for w in found]
        whole = not missing and bool(known) and all(k is not None for k in known)
        moves = max((placed[k].moves_m for k in (r.a, *r.b) if k in placed), default=0.0)
        out[r.id] = RouteOf(r, tuple(found), max(k for k in known if k is not None) + moves if whole else None, missing, r.id in keep, moves)
    return out


def _through(ways: WayNet, r: RunOf, b: str, start: Point, end: Point, pin: str) -> Routed:
    """A way over a pinned node."""
    first = ways.net.route(Wanted(b, r.service, start, ways.net.nodes[pin], None, pin), joined=True)
    then = ways.net.route(Wanted(b, r.service, ways.net.nodes[pin], end, pin, None), joined=True)
    if first.path is None or then.path is None or first.path_m is None or then.path_m is None:
        return ways.net.route(Wanted(b, r.service, start, end), joined=True)
    return first._replace(
        path=(*first.path, *then.path[1:]),
        edges=(*first.edges, *then.edges),
        path_m=first.path_m + then.path_m,
        drop_m=first.drop_m + then.drop_m,
        rise_m=end[2] - start[2],
        bends=first.bends + then.bends,
        grommets=first.grommets + then.grommets,
        tags=tuple(sorted({*first.tags, *then.tags})),
    )


def _standing(design: Design, things: tuple[Thing, ...], roof: Mapping[str, Box]) -> Geometry:
    """Where everything stands, and the ways that the body offers; no runs yet."""
    body = body_of(design)
    placed, without, strays = _placed(design, things, roof)
    met = tuple(c for c in checked(body, placed) if not by_design(placed, c))
    return Geometry(body, things, placed, tuple(without), tuple(strays), met, proposed(body, design.fit), {})


def geometry_of(design: Design, things: tuple[Thing, ...] | None = None, roof: Mapping[str, Box] = NO_ROOF) -> Geometry:
    """All geometry of a design; ``roof`` says where its things lie that are laid out on the roof."""
    stood = _standing(design, things_of(design) if things is None else things, roof)
    return stood._replace(routes=_routes(design, stood))


def work_geometry(ctx: Context, roof: Mapping[str, Box]) -> Geometry:
    """The geometry as a part of the report, in steps: an edit that changes no thing moves none, and one that moves none leaves every way where it is."""
    stood = ctx.part("geometry/standing", lambda c, *of: _standing(c.design, *of), ctx.still("geometry/things", lambda c: things_of(c.design)), roof)
    routes = ctx.still("geometry/routes", lambda c, of: _routes(c.design, of), stood)
    return ctx.part("geometry/all", lambda _, of, runs: of._replace(routes=runs), stood, routes)


def settled(design: Design, geo: Geometry) -> Design:
    """The design with the lengths, heights and places that follow from where things stand, in place of what was typed of them."""
    if not geo.placed:
        return design
    lengths = geo.lengths()

    def items(prefix: str, rows: list, change: Callable[..., dict]) -> list:  # type: ignore[type-arg]
        out = []
        for r in rows:
            new = change(r, lengths.get(f"{prefix}:{r.id}"))
            out.append(r.model_copy(update=new) if new else r)
        return out

    def twice(_: object, m: float | None) -> dict[str, float]:
        return {} if m is None else {"pipe_length_m": max(0.01, round(2 * m, 3))}

    def length(_: object, m: float | None) -> dict[str, float]:
        return {} if m is None else {"length_m": max(0.01, round(m, 3))}

    wiring = design.wiring.model_copy(
        update={"circuits": items("circuit", design.wiring.circuits, length), "others": items("cable", design.wiring.others, length)}
    )
    water = design.water.model_copy(
        update={
            "runs": items("water", design.water.runs, length),
            "drains": items("drain", design.water.drains, length),
            "tanks": [t.model_copy(update=_tank(geo, t.id)) for t in design.water.tanks],
        }
    )
    if (pump := geo.placed.get("water:pump")) is not None and water.pump is not None and _sides_placed(geo):
        water = water.model_copy(update={"pump": water.pump.model_copy(update={"over_electrics": False, "leak_tray": water.pump.leak_tray or pump.doc.tray})})
    gas = design.gas.model_copy(update={"pipes": items("gas", design.gas.pipes, length)})
    warmth = design.warmth.model_copy(update={"ducts": items("duct", design.warmth.ducts, lambda d, m: {**length(d, m), **_bends(geo, d.id, m)})})
    if warmth.loop is not None:
        warmth = warmth.model_copy(update={"loop": warmth.loop.model_copy(update={"zones": items("loop", warmth.loop.zones, twice)})})
    return design.model_copy(update={"wiring": wiring, "water": water, "gas": gas, "warmth": warmth})


def _bends(geo: Geometry, duct: str, m: float | None) -> dict[str, int]:
    """The right angles of a duct's way, in place of the typed bends."""
    return {} if m is None else {"bends_90": min(20, sum(w.bends for w in geo.routes[f"duct:{duct}"].ways)), "bends_45": 0}


def _sides_placed(geo: Geometry) -> bool:
    """Whether all electrics that water must not drip on are placed, so that geometry speaks in place of what was typed."""
    return not any({"electrics", "battery"} & t.tags for t in geo.unplaced)


def _tank(geo: Geometry, id: str) -> dict[str, object]:
    p = geo.placed.get(f"water:{id}")
    if p is None:
        return {}
    out: dict[str, object] = {"x_m": round(geo.body.hull.last - p.box.middle[0], 3), "z_m": round(p.box.z0, 3)}
    if p.bay is not None:
        out["place"] = "underfloor" if p.bay.kind == "underfloor" else "outside" if p.bay.thermal == "outside" else "inside"
    elif p.box.z1 <= 0:
        out["place"] = "underfloor"
    if _sides_placed(geo):
        out["over_electrics"] = False
    return out
