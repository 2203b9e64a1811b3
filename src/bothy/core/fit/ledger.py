"""The one list of masses: every kilogram once, with where it is; and what the axles carry of it in each loading (method fit.axles, fit.trailer)."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import NamedTuple

from bothy.core.catalogue.materials import materials
from bothy.core.context import Context
from bothy.core.design.warmth import AIR_GAP, BuildUp
from bothy.core.facts.kinds import Weighing
from bothy.core.fit.geometry import Geometry
from bothy.core.fit.routing import Point
from bothy.core.fit.signals import SIGNAL_KG_M
from bothy.core.fit.things import PERSON_KG
from bothy.core.fit.weight import Axles, Limits, Loads, Lump, Mass, axle_sum, empty_vehicle, lump
from bothy.core.warmth.surfaces import Shell
from bothy.core.wiring.circuit import Worked
from bothy.core.words.says import fit_says as says

CABLE_KG_M_MM2, THIN_KG_M_MM2, THIN_MM2 = 0.011, 0.0125, 6.0
"""Copper with its insulation, per metre and mm², typical."""
PIPE_KG_M = {"water": 0.12, "waste": 0.20, "gas": 0.30, "duct": 0.25}
DUCT_KG_M = 0.25
CAMPER_Z_M = 0.8
"""Height of an empty camper's centre over its floor, m (typical)."""


class Kilo(NamedTuple):
    """A line of the list: mass in kg of a group at a place in m; ``counted`` says how it is known; ``placed``: whether its place is known."""

    key: str
    name: str
    kg: float
    at: Point
    group: str
    counted: str
    placed: bool


class Scenario(NamedTuple):
    """A loading: factor of each group; its loads."""

    id: str
    name: str
    factors: dict[str, float]
    loads: Loads | None


class Weighed(NamedTuple):
    """A weighing beside the model in the same loading."""

    weighing: Weighing
    model: Loads
    lump: Lump


class Ledger(NamedTuple):
    """Everything that weighs, and what follows."""

    rows: tuple[Kilo, ...]
    scenarios: tuple[Scenario, ...]
    weighed: tuple[Weighed, ...]
    axles: Axles | None
    limits: Limits
    roof_kg: float

    @property
    def worst(self) -> Scenario:
        """The heaviest loading."""
        return max(self.scenarios, key=lambda s: sum(r.kg * s.factors.get(r.group, 1.0) for r in self.rows))

    def carried_kg(self, s: Scenario) -> float:
        """What is carried over the empty vehicle in a loading, kg."""
        return sum(r.kg * s.factors.get(r.group, 1.0) for r in self.rows)

    def masses(self) -> list[Mass]:
        """The list as masses of the lever sum."""
        return [Mass(r.key, r.kg, *r.at, r.group) for r in self.rows]


TRAVEL = (
    ("travel", says("travelling-water-full"), {"waste": 0.0}),
    ("home", says("going-home-waste-full"), {"water": 0.0}),
    ("alone", says("driver-alone-tanks-empty"), {"water": 0.0, "waste": 0.0, "people": 0.0, "luggage": 0.0}),
)


def _things(geo: Geometry) -> Iterable[Kilo]:
    middle: Point = ((geo.body.hull.first + geo.body.hull.last) / 2, 0.0, 0.5)
    top: Point = (middle[0], 0.0, geo.body.height + 0.1)
    for t in geo.things:
        p = geo.placed.get(t.key)
        at = p.box.middle if p is not None else top if t.on_roof else middle
        if t.mass_kg:
            yield Kilo(t.key, t.name, t.mass_kg, at, t.group if t.group == "luggage" else "fixed", t.mass_from, p is not None)
        if t.contents_kg:
            low = (at[0], at[1], at[2])
            yield Kilo(f"{t.key}~in", says("what-in", t_name=t.name), t.contents_kg, low, t.group, "full", p is not None)


def layers_kg_m2(b: BuildUp) -> float:
    """What the layers of a build-up weigh, without the vehicle's own skin, kg/m²."""
    known = materials()
    total = 0.0
    for x in b.layers:
        if x.material == AIR_GAP:
            continue
        density = x.density_kg_m3 if x.density_kg_m3 is not None else known[x.material].density_kg_m3 if x.material else 0.0
        total += density * x.thickness_mm / 1000 * x.coverage_frac
    return total


def _camper(ctx: Context, geo: Geometry) -> Iterable[Kilo]:
    """The camper itself, a body of its own on the truck."""
    r, h = ctx.design.fit.body.running, geo.body.hull
    if ctx.design.vehicle.preset == "truck_camper" and r.camper_kg:
        x = (h.first + h.last) / 2 if r.camper_x_m is None else r.camper_x_m
        yield Kilo("camper", says("camper-by-itself"), r.camper_kg, (x, 0.0, CAMPER_Z_M if r.camper_z_m is None else r.camper_z_m), "fixed", "typed", True)


def _linings(geo: Geometry, shell: Shell, *, assumed: bool) -> Iterable[Kilo]:
    h = geo.body.hull
    mid, half, top = (h.first + h.last) / 2, geo.body.half, geo.body.height
    where: dict[str, Point] = {
        "floor": (mid, 0.0, -0.02),
        "roof": (mid, 0.0, top),
        "left": (mid, half, top / 2),
        "right": (mid, -half, top / 2),
        "rear": (h.first, 0.0, top / 2),
        "front": (h.last, 0.0, top / 2),
    }
    for s in shell.surfaces:
        if s.build is not None and (assumed or not s.assumed) and (kg := layers_kg_m2(s.build) * s.area_m2) > 0.05:
            yield Kilo(
                f"lining:{s.id}", says("lining-and-insulation", s_name=s.name), kg, where.get(s.side, (mid, 0.0, top / 2)), "fixed", says("layers-area"), True
            )


def _ways(ctx: Context, geo: Geometry, worked: Iterable[Worked]) -> Iterable[Kilo]:
    middle: Point = ((geo.body.hull.first + geo.body.hull.last) / 2, 0.0, 0.5)
    for w in worked:
        area = w.circuit.metal_mm2 * w.circuit.parallel_count
        if area <= 0:
            continue
        unit = THIN_KG_M_MM2 if w.circuit.metal_mm2 < THIN_MM2 else CABLE_KG_M_MM2
        kg = unit * area * w.part.length_m * (1 if w.circuit.return_path == "chassis" else 2)
        at, placed = _middle_of(geo, f"circuit:{w.circuit.id}")
        yield Kilo(f"circuit:{w.circuit.id}", says("cable", circuit_name=w.circuit.name), kg, at or middle, "fixed", says("metal-length"), placed)
    d = ctx.design
    for kind, prefix, runs in (("water", "water", d.water.runs), ("waste", "drain", d.water.drains), ("gas", "gas", d.gas.pipes)):
        for r in runs:
            at, placed = _middle_of(geo, f"{prefix}:{r.id}")
            if r.length_m:
                yield Kilo(
                    f"{prefix}:{r.id}~pipe", says("pipe", r_name=r.name), PIPE_KG_M[kind] * r.length_m, at or middle, "fixed", says("usual-length"), placed
                )
    by_way = geo.lengths() if d.fit.signals else {}
    for s in d.fit.signals:
        at, placed = _middle_of(geo, f"signal:{s.id}")
        length = by_way.get(f"signal:{s.id}", s.length_m)
        if length:
            yield Kilo(f"signal:{s.id}", says("cable-2", s_name=s.name), SIGNAL_KG_M * length, at or middle, "fixed", says("usual-length"), placed)
    for duct in d.warmth.ducts:
        at, placed = _middle_of(geo, f"duct:{duct.id}")
        yield Kilo(f"duct:{duct.id}", says("duct", duct_name=duct.name), DUCT_KG_M * duct.length_m, at or middle, "fixed", says("usual-length"), placed)


def _middle_of(geo: Geometry, run: str) -> tuple[Point | None, bool]:
    r = geo.routes.get(run)
    if r is None or r.length_m is None or not r.ways:
        return None, False
    a, b = geo.placed.get(r.run.a), geo.placed.get(r.run.b[0])
    points = [geo.ways.net.nodes[n] for w in r.ways for n in (w.path or ())]
    points += [p.port(r.run.service) for p in (a, b) if p is not None]
    return (
        (sum(p[0] for p in points) / len(points), sum(p[1] for p in points) / len(points), sum(p[2] for p in points) / len(points)) if points else None
    ), bool(points)


def _people(ctx: Context, geo: Geometry) -> Iterable[Kilo]:
    """Passengers; the driver is in the vehicle's own mass. In a trailer nobody rides."""
    n = round(max(0.0, ctx.people - 1))
    g = geo.body.gear
    if n == 0 or g.kind == "trailer":
        return
    seats = [p.box.middle for p in geo.placed.values() if "seat" in p.thing.tags]
    if not seats and g.front_x is not None:
        seats = [(g.front_x - 0.6, -0.45, 0.6)]
    h = geo.body.hull
    for i in range(n):
        at = seats[i] if i < len(seats) else ((h.first + h.last) / 2, 0.0, 0.6)
        yield Kilo(f"person:{i + 2}", says("person", i=i + 2), PERSON_KG, at, "people", says("each"), i < len(seats))


def ledger_of(ctx: Context, geo: Geometry, shell: Shell, worked: list[Worked], on_roof: Iterable[Kilo] = ()) -> Ledger:
    """Every kilogram, the loadings, and the weighings; ``on_roof``: what lies on the roof and is no thing of another stage."""
    above = list(on_roof)
    camper = list(_camper(ctx, geo))  # its mass holds the walls that it has by itself
    rows = [*_things(geo), *above, *camper, *_linings(geo, shell, assumed=not camper), *_ways(ctx, geo, worked), *_people(ctx, geo)]
    g = geo.body.gear
    axles = None if g.rear_x is None or g.front_x is None else Axles(g.rear_x, g.front_x, g.track, g.track, g.floor)
    limits = Limits(g.gross, g.front, g.rear)
    typed = [(s.id, s.name, dict(s.factors)) for s in ctx.design.fit.scenarios]
    named = typed or [(a, b, dict(c)) for a, b, c in TRAVEL]

    def loaded(masses: list[Mass], factors: Mapping[str, float]) -> Loads | None:
        if axles is None:
            return None
        whole = [*empty_vehicle(axles, g.empty_front, g.empty_rear, z=g.empty_z), *masses]
        return axle_sum(axles, whole, factors)

    weighed = []
    if axles is not None:
        factors = {id: f for id, _, f in named}
        for w in ctx.facts.weighings:
            model = loaded([Mass(r.key, r.kg, *r.at, r.group) for r in rows], factors.get(w.loaded or "", {"water": 0.0, "waste": 0.0, "people": 0.0}))
            assert model is not None
            left = None if w.left_kg is None else (model.left, w.left_kg)
            got = lump((axles.rear_x, axles.front_x), (model.front, model.rear), (w.front_kg, w.rear_kg), left, g.track, w.resolution_kg)
            weighed.append(Weighed(w, model, got))
    for one in weighed:  # the first that is booked: a second would count the same kilograms again
        x = one.lump.x
        if one.weighing.booked and x is not None and axles is not None and geo.body.hull.first - 1.5 <= x <= axles.front_x + 1.0:
            at = (x, one.lump.y or 0.0, 0.5)
            rows.append(
                Kilo(f"unaccounted:{one.weighing.id}", says("not-accounted-for", weighing_name=one.weighing.name), one.lump.kg, at, "fixed", "weighed", True)
            )
            break
    masses = [Mass(r.key, r.kg, *r.at, r.group) for r in rows]
    scenarios = tuple(Scenario(id, name, f, loaded(masses, f)) for id, name, f in named)
    roof = sum(r.kg for r in rows if (p := geo.placed.get(r.key.partition("~")[0])) is not None and p.thing.on_roof)
    roof += sum(t.full_kg for t in geo.unplaced if t.on_roof) + sum(k.kg for k in above)
    return Ledger(tuple(rows), scenarios, tuple(weighed), axles, limits, roof)
