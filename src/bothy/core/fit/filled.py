"""Fills Fit's part of the report from the geometry, the ledger and the rules."""

from __future__ import annotations

from dataclasses import replace
from math import hypot
from typing import NamedTuple

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.figure import Figure, given
from bothy.core.finding import Finding
from bothy.core.fit.boxes import Box
from bothy.core.fit.fill_rules import filled_conduits
from bothy.core.fit.furniture import usual_furniture
from bothy.core.fit.geometry import Geometry, Placed, RouteOf
from bothy.core.fit.ledger import Kilo, Ledger, Scenario, ledger_of
from bothy.core.fit.net import ENGINE
from bothy.core.fit.part import (
    BodyPart,
    ClashPart,
    ConduitPart,
    CrossingPart,
    DoorPart,
    EdgePart,
    FitPart,
    KiloPart,
    LoadingPart,
    ObstaclePart,
    OutPart,
    PiecePart,
    RoomPart,
    RoutePart,
    StationPart,
    ThingPart,
    UsualSignalPart,
    WallPart,
    WeighedPart,
    WeightPart,
)
from bothy.core.fit.rules import HELD_KG, SAFETY, fit_findings
from bothy.core.fit.signals import usual_signals
from bothy.core.fit.states import Room, rooms_of
from bothy.core.fit.things import Thing, posed
from bothy.core.fit.tie_down import FIXINGS, TIE_G, pulls
from bothy.core.fit.way_out import Plan, WayOut, way_out
from bothy.core.fit.weight import NOSE, stability
from bothy.core.fit.weight_rules import Nose, weight_findings
from bothy.core.method.sources import Method
from bothy.core.warmth.surfaces import Shell
from bothy.core.wiring.circuit import Worked
from bothy.core.words.choices import word_of
from bothy.core.words.says import fit_says as says

LOADS = {"front_kg": says("front-axle-load"), "rear_kg": says("rear-axle-load"), "left_kg": says("left-side-load")}
WALLS = {
    "left": says("left-wall"),
    "right": says("right-wall"),
    "ceiling": says("ceiling"),
    "floor": says("floor"),
    "under": says("under-floor"),
    "front": says("bulkhead"),
}


class FitWork(NamedTuple):
    """The part with its findings and the sums behind it."""

    part: FitPart
    found: list[Finding]
    ledger: Ledger


def _body(geo: Geometry, rooms: list[Room]) -> BodyPart:
    b, g = geo.body, geo.body.gear
    return quick(
        BodyPart,
        measured=b.measured,
        levels=list(b.hull.levels),
        stations=[quick(StationPart, x=s.x_m, left=list(s.left_m), right=list(s.right_m), height=s.height_m) for s in b.hull.stations],
        length=b.length,
        half=b.half,
        height=b.height,
        bare=list(b.bare),
        linings=b.linings,
        obstacles=[quick(ObstaclePart, id=id, name=name, kind=kind, box=list(box)) for id, name, kind, box in b.obstacles],
        doors=[quick(DoorPart, id=d.id, name=d.name, side=d.side, a=d.a, b=d.b, width=d.width, height=d.height, sill=d.sill) for d in b.doors],
        rear_x=g.rear_x,
        front_x=g.front_x,
        second_x=g.second_x,
        coupling_x=g.coupling_x,
        track=g.track,
        floor=g.floor,
        cab=b.cab,
        kind=g.kind,
        assumed=list(g.assumed),
        rooms=[quick(RoomPart, name=r.name, box=list(r.box)) for r in rooms],
    )


KINDS = ("removed", "furniture", "bed", "battery", "tank", "fridge", "heat", "gas", "water", "electrics", "sink", "seat", "loose")


def _kind(t: Thing) -> str:
    """What a thing is drawn as: the first of its tags that has a mark."""
    return next((k for k in KINDS if k in t.tags), "other")


def _thing(t: Thing, p: Placed | None) -> ThingPart:
    return quick(
        ThingPart,
        key=t.key,
        name=t.name,
        what=t.what,
        size=list(t.size),
        mass_kg=t.mass_kg,
        contents_kg=t.contents_kg,
        group=t.group,
        clearance=list(t.clearance),
        why=t.why,
        up=list(t.up),
        size_from=t.size_from,
        mass_from=t.mass_from,
        small=t.small,
        on_roof=t.on_roof,
        hollow=t.hollow,
        kind=_kind(t),
        box=[round(v, 4) for v in p.box] if p else None,
        open_box=[round(v, 4) for v in p.open_box] if p and p.doc.open else None,
        clear=list(p.clearance) if p else None,
        inside=p.inside if p else "",
    )


def _why(geo: Geometry, r: RouteOf) -> str:
    """Why a run goes this way, in words."""
    if not r.ways:
        return ""
    w = max(r.ways, key=lambda w: w.along_m or 0.0)
    if w.path is None:
        return says("no-permitted-way-leads")
    if not w.edges:
        return says("two-stand-apart-so", drop_m=w.drop_m)
    names = list(dict.fromkeys(geo.ways.names.get(e, e) for e in w.edges))
    tagged = says("passes-and-any-other", replaces=", ".join(map(word_of, w.tags))) if w.tags else ""
    end = says("to-and-from", drop_m=w.drop_m)
    return says("shortest-permitted-way-along", names="; ".join(names), path_m=w.path_m, end=end, tagged=tagged)


def _lines(geo: Geometry, r: RouteOf) -> list[list[list[float]]]:
    nodes, out = geo.ways.net.nodes, list[list[list[float]]]()
    start = nodes.get(ENGINE) if r.run.a == ENGINE else geo.placed[r.run.a].port(r.run.service) if r.run.a in geo.placed else None
    for w in r.ways:
        end = nodes.get(ENGINE) if w.id == ENGINE else geo.placed[w.id].port(r.run.service) if w.id in geo.placed else None
        if start is None or end is None or w.path is None:
            continue
        out.append([list(at) for at in (start, *(nodes[n] for n in w.path), end)])
    return out


class Drawn(NamedTuple):
    """What a picture of Fit shows and no current changes: body, things, ways, walls."""

    body: BodyPart
    rooms: list[Room]
    things: list[ThingPart]
    routes: list[RoutePart]
    edges: list[EdgePart]
    walls: list[WallPart]
    out: dict[str, WayOut]
    pieces: list[PiecePart]


def _drawn(ctx: Context, geo: Geometry) -> Drawn:
    rooms = rooms_of(ctx.design, geo.body)
    _way_figures(ctx, geo)
    _held_figures(ctx, geo)
    return Drawn(
        _body(geo, rooms),
        rooms,
        [_thing(t, geo.placed.get(t.key)) for t in geo.things],
        _routes(geo),
        _edges(geo),
        _walls(ctx, geo),
        ctx.part("fit/drawn/out", ways_out, geo),
        [quick(PiecePart, kind=p.kind, name=p.name, length_m=p.length, width_m=p.width, height_m=p.height, mass_kg=p.kg) for p in usual_furniture(geo.body)],
    )


def _routes(geo: Geometry) -> list[RoutePart]:
    out = []
    for r in geo.routes.values():
        longest = max(r.ways, key=lambda w: w.along_m or 0.0) if r.ways else None
        out.append(
            quick(
                RoutePart,
                id=r.run.id,
                name=r.run.name,
                service=r.run.service,
                a=r.run.a,
                b=list(r.run.b),
                length_m=r.length_m,
                typed_m=None,
                kept=r.kept,
                missing=list(r.missing),
                bends=sum(w.bends for w in r.ways),
                holes=sum(w.grommets for w in r.ways),
                rise_m=longest.rise_m if longest else 0.0,
                tags=sorted({t for w in r.ways for t in w.tags}),
                lines=_lines(geo, r),
                why=_why(geo, r),
            )
        )
    return out


def _edges(geo: Geometry) -> list[EdgePart]:
    used: dict[str, int] = {}
    for r in geo.routes.values():
        for e in {e for w in r.ways for e in w.edges}:
            used[e] = used.get(e, 0) + 1
    nodes = geo.ways.net.nodes
    return [
        quick(
            EdgePart,
            id=e.id,
            name=geo.ways.names[e.id],
            layer=e.id[0] if geo.ways.surface[e.id] != "own" else "own",
            a=list(nodes[e.a]),
            b=list(nodes[e.b]),
            runs=used.get(e.id, 0),
        )
        for e in geo.ways.net.edges.values()
    ]


def _bends(a: tuple[float, float], b: tuple[float, float], c: tuple[float, float], least_m: float = 0.005) -> bool:
    """Whether ``b`` lies off the straight line from ``a`` to ``c`` by more than ``least_m``."""
    length = hypot(c[0] - a[0], c[1] - a[1])
    off = abs((c[0] - a[0]) * (b[1] - a[1]) - (c[1] - a[1]) * (b[0] - a[0]))
    return hypot(b[0] - a[0], b[1] - a[1]) > least_m if length == 0 else off / length > least_m


def _walls(ctx: Context, geo: Geometry) -> list[WallPart]:
    """What crosses each wall: each stretch of a run that lies in it, with two measures at each end."""
    read = {f"circuit:{r.circuit}" for r in ctx.facts.readings}
    rows: dict[str, list[CrossingPart]] = {}
    nodes = geo.ways.net.nodes
    for r in geo.routes.values():
        for w in r.ways:
            at = 0
            path = w.path or ()
            while at < len(w.edges):
                surface = geo.ways.surface[w.edges[at]]
                end = at
                while end + 1 < len(w.edges) and geo.ways.surface[w.edges[end + 1]] == surface:
                    end += 1
                if surface in WALLS:
                    across = 1 if surface in ("ceiling", "floor", "under") else 2
                    a, *between, b = [(nodes[n][0], nodes[n][across]) for n in path[at : end + 2]]
                    rows.setdefault(surface, []).append(
                        quick(
                            CrossingPart,
                            run=r.run.id,
                            name=r.run.name,
                            service=r.run.service,
                            enters=list(a),
                            turns=[list(at) for before, at, after in zip([a, *between], between, [*between[1:], b], strict=False) if _bends(before, at, after)],
                            leaves=list(b),
                            tested=r.run.id in read if r.run.id.startswith("circuit:") else None,
                        )
                    )
                at = end + 1
    return [quick(WallPart, id=k, name=v, rows=sorted(rows.get(k, []), key=lambda c: c.enters)) for k, v in WALLS.items()]


def _carried(p: Placed) -> Box:
    """What is carried out at once: the thing, or one of the pieces that it comes apart into, where the thing stands."""
    if p.thing.piece is None:
        return p.box
    size, _ = posed(replace(p.thing, size=p.thing.piece), p.doc.up, p.doc.yaw_deg)
    x, y, _ = p.box.middle
    return Box(x - size[0] / 2, x + size[0] / 2, y - size[1] / 2, y + size[1] / 2, p.box.z0, p.box.z0 + size[2])


MUST_COME_OUT = frozenset({"fridge", "battery", "tank", "burner", "hot", "toilet", "gas-user"})
OUT_KG = 20.0


def ways_out(ctx: Context, geo: Geometry) -> dict[str, WayOut]:
    """How each heavy, serviced or large thing comes out again."""
    del ctx
    plan, out = Plan(geo.body), {}
    pieces = {k: p.box for k, p in geo.placed.items() if "furniture" in p.thing.tags}
    for key, p in geo.placed.items():
        t = p.thing
        if not p.in_room or t.on_roof or t.hollow or {"removed", "furniture", "loose"} & t.tags or not (MUST_COME_OUT & t.tags or t.mass_kg >= OUT_KG):
            continue
        others = {k: b for k, b in pieces.items() if k not in (key, p.inside)}
        tilt = 30.0 if "fridge" in t.tags else 90.0
        out[key] = way_out(plan, key, _carried(p), tilt, "battery" in t.tags or "tank" in t.tags, others)
    return out


WATERPLANE_FRAC, FRESH_KG_M3 = 0.9, 1000.0


def sinkage_mm(geo: Geometry, kg: float) -> float:
    """How much deeper a boat lies with a mass in fresh water, mm; its waterplane is about 0.9 of length × beam (a narrow boat, typical)."""
    return 1000 * kg / (FRESH_KG_M3 * WATERPLANE_FRAC * geo.body.bare[0] * geo.body.bare[1])


def _loading(ctx: Context, geo: Geometry, ledger: Ledger, s: Scenario) -> LoadingPart:
    g = geo.body.gear
    carried = ledger.carried_kg(s)
    gross = g.empty_front + g.empty_rear + carried
    out = quick(
        LoadingPart,
        id=s.id,
        name=s.name,
        factors=s.factors,
        gross_kg=gross,
        front_kg=None,
        rear_kg=None,
        left_kg=None,
        right_kg=None,
        nose_kg=None,
        nose_frac=None,
        shift_kg_m=None,
        cg_x=None,
        cg_y=None,
        cg_height=None,
        stability=None,
        payload_left_kg=None if g.gross is None else g.gross - gross,
        sinkage_mm=sinkage_mm(geo, carried) if g.kind == "boat" else None,
    )
    if s.loads is not None and ledger.axles is not None:
        loads = s.loads
        height, factor = stability(ledger.axles, loads)
        out.front_kg, out.rear_kg, out.left_kg, out.right_kg = loads.front, loads.rear, loads.left, loads.right
        out.cg_x, out.cg_y, out.cg_height, out.stability = loads.cg[0], loads.cg[1], height, factor
    elif g.kind == "trailer":
        n = Nose(ctx.design.region, geo, ledger, s)
        out.nose_kg, out.nose_frac, out.rear_kg, out.shift_kg_m = n.nose, n.share, n.gross - n.nose, n.shift
    return out


def _figures(ctx: Context, geo: Geometry, ledger: Ledger, loadings: list[LoadingPart]) -> None:
    """What the weights say, each with its working."""
    book, g, axles = ctx.book, geo.body.gear, Method("fit.axles")
    for p in loadings:
        parts: dict[str, float] = {}
        for r in ledger.rows:
            parts[r.group] = parts.get(r.group, 0.0) + r.kg * p.factors.get(r.group, 1.0)
        inputs = [("empty_kg", given("empty_kg", g.empty_front + g.empty_rear, "computed", says("empty-vehicle-two-axles"), label=says("empty-vehicle")))]
        inputs += [(f"{k}_kg", given(f"{k}_kg", v, "computed", says("all-group", k=k), label=k)) for k, v in parts.items()]
        key = f"fit/loading/{p.id}"
        gross = book.put(
            f"{key}/gross_kg", Figure(p.gross_kg, "kg", says("whole", p_name=p.name.lower()), expression="Σ m", source=axles, inputs=tuple(inputs))
        )
        if p.payload_left_kg is not None and g.gross is not None:
            limit = given("gross_limit_kg", g.gross, "assumed" if "gross limit" in g.assumed else "typed", says("plate"), label=says("gross-limit"))
            book.put(
                f"{key}/payload_left_kg",
                Figure(p.payload_left_kg, "kg", says("left"), expression="limit − whole", source=axles, inputs=(("limit_kg", limit), ("gross_kg", gross))),
            )
        for name in ("front_kg", "rear_kg", "left_kg"):
            value = getattr(p, name)
            if value is not None:
                lever = "Σ m·(x − x_rear)/(x_front − x_rear)" if name == "front_kg" else "whole − front" if name == "rear_kg" else "Σ m·share·(½ + y/track)"
                more = (
                    ("gross_kg", gross),
                    *(
                        (f"{k}_m", given(f"{k}_m", v, "typed", "", label=k))
                        for k, v in ((says("rear-axle"), g.rear_x), (says("front-axle"), g.front_x))
                        if v is not None
                    ),
                )
                book.put(
                    f"{key}/{name}",
                    Figure(value, "kg", LOADS[name], expression=lever, source=axles, inputs=more),
                )
        if p.nose_kg is not None:
            book.put(
                f"{key}/nose_kg",
                Figure(
                    p.nose_kg,
                    "kg",
                    says("on-ball"),
                    expression="empty nose + Σ m·(x − axles)/(coupling − axles)",
                    source=Method("fit.trailer"),
                    inputs=(("gross_kg", gross),),
                ),
            )
    book.put("fit/weight/roof_kg", given("roof_kg", ledger.roof_kg, "computed", says("everything-on-roof"), label=says("on-roof"), source=axles))


def _way_figures(ctx: Context, geo: Geometry) -> None:
    """How long each run is along its way."""
    book = ctx.book
    for route in geo.routes.values():
        if route.length_m is not None and route.ways:
            w = max(route.ways, key=lambda w: w.along_m or 0.0)
            along = given("path_m", w.path_m or 0.0, "computed", _why(geo, route), label=says("along-way"))
            drop = given("drop_m", w.drop_m, "computed", says("from-things-to-way"), label=says("to-and-from-2"))
            steps = [("path_m", along), ("drop_m", drop)]
            if route.moves_m:
                steps.append(("moves_m", given("moves_m", route.moves_m, "computed", says("end-moves-when-vehicle"), label=says("for-what-moves"))))
            expression = says("path-drops-what-end") if route.moves_m else "path + drops"
            figure = Figure(
                route.length_m, "m", says("length", run_name=route.run.name), expression=expression, source=Method("fit.routes"), inputs=tuple(steps)
            )
            book.put(f"ways/{route.run.id.replace(':', '-')}/length_m", figure)


def _held_figures(ctx: Context, geo: Geometry) -> None:
    """How much of what the fixings of each heavy thing bear is used."""
    book, g4 = ctx.book, TIE_G[ctx.design.fit.school]
    for p_ in geo.placed.values():
        if p_.doc.fixing is None or p_.thing.full_kg < HELD_KG:
            continue
        f, n = FIXINGS[p_.doc.fixing], p_.doc.fixings
        base = (max(0.05, p_.box.x1 - p_.box.x0 - 0.04), max(0.05, p_.box.y1 - p_.box.y0 - 0.04))
        worst = max(pulls(p_.thing.full_kg, g4, n, f.shear_n, f.pull_n, SAFETY, (p_.box.z1 - p_.box.z0) / 2, base), key=lambda r: r.used)
        book.put(
            f"fit/held/{p_.thing.key.replace(':', '-')}/used_frac",
            Figure(
                worst.used,
                "%",
                says("used-fixings", thing_name=p_.thing.name),
                expression="SF·(V/S + T/P)",
                source=Method("fit.tie-down"),
                inputs=tuple(
                    (k, given(k, v, "table" if k.startswith("fixing") else "computed", f.name if k.startswith("fixing") else ""))
                    for k, v in (
                        ("mass_kg", p_.thing.full_kg),
                        ("force_n", worst.force_n),
                        ("shear_n", worst.shear_n),
                        ("pull_n", worst.pull_n),
                        ("fixing_shear_n", f.shear_n),
                        ("fixing_pull_n", f.pull_n),
                    )
                ),
            ),
        )


def _weight(ctx: Context, geo: Geometry, ledger: Ledger, loadings: list[LoadingPart]) -> WeightPart:
    g = geo.body.gear
    return quick(
        WeightPart,
        rows=[
            quick(KiloPart, key=r.key, name=r.name, kg=r.kg, x=r.at[0], y=r.at[1], z=r.at[2], group=r.group, counted=r.counted, placed=r.placed)
            for r in ledger.rows
        ],
        loadings=loadings,
        worst=ledger.worst.id,
        weighed=[
            quick(
                WeighedPart,
                id=w.weighing.id,
                name=w.weighing.name,
                front_kg=w.weighing.front_kg,
                rear_kg=w.weighing.rear_kg,
                model_front_kg=w.model.front,
                model_rear_kg=w.model.rear,
                lump_kg=w.lump.kg,
                lump_x=w.lump.x,
                lump_y=w.lump.y,
                booked=w.weighing.booked,
            )
            for w in ledger.weighed
        ],
        gross_limit_kg=g.gross,
        front_limit_kg=g.front,
        rear_limit_kg=g.rear,
        roof_limit_kg=g.roof,
        roof_kg=ledger.roof_kg,
        nose_range=list(NOSE[ctx.design.region]) if g.kind == "trailer" else None,
    )


def _with_typed(routes: list[RoutePart], typed: dict[str, float | None]) -> list[RoutePart]:
    """The runs with the lengths that were typed of them."""
    return [r if typed.get(r.id) is None else r.model_copy(update={"typed_m": typed[r.id]}) for r in routes]


def fit_part(ctx: Context, geo: Geometry, typed: dict[str, float | None], shell: Shell, worked: list[Worked], on_roof: tuple[Kilo, ...] = ()) -> FitWork:
    """Work out all of Fit and put its figures into the book; ``typed``: lengths of runs as typed; ``on_roof``: what lies there and is no thing of
    another stage."""
    drawn = ctx.part("fit/drawn", _drawn, geo)
    ledger = ledger_of(ctx, geo, shell, worked, on_roof)
    loadings = [_loading(ctx, geo, ledger, s) for s in ledger.scenarios]
    _figures(ctx, geo, ledger, loadings)
    routes, filled = _with_typed(drawn.routes, typed), filled_conduits(ctx, geo, worked)
    part = quick(
        FitPart,
        begun=ctx.design.fit.begun,
        body=drawn.body,
        things=drawn.things,
        placed=len(geo.placed),
        clashes=[quick(ClashPart, kind=c.kind, a=c.a, b=c.b, depth_m=c.depth_m, face=c.face) for c in geo.clashes],
        routes=routes,
        edges=drawn.edges,
        walls=drawn.walls,
        out=[
            quick(
                OutPart,
                key=k,
                door=w.door,
                finished=w.finished,
                blocking=list(w.blocking),
                spare_m=w.spare_m,
            )
            for k, w in drawn.out.items()
        ],
        weight=_weight(ctx, geo, ledger, loadings),
        furniture=drawn.pieces,
        cable_m=sum(r.length_m or 0.0 for r in routes if r.service in ("dc", "mains")),
        usual_signals=[quick(UsualSignalPart, **u._asdict()) for u in usual_signals(ctx.design)],
        conduits=[
            quick(
                ConduitPart,
                way=f.way,
                inside_mm=f.inside_mm,
                cable_count=f.fill.cable_count,
                fill_frac=f.fill.fill_frac,
                limit_frac=f.fill.limit_frac,
                ok=f.fill.ok,
            )
            for f in filled
        ],
    )
    return FitWork(part, [*fit_findings(ctx, geo, drawn.out, worked, drawn.rooms, filled), *weight_findings(ctx, geo, ledger)], ledger)
