"""Findings of where things stand: conflicts, neighbours, reach, poses, ways (method fit.boxes, fit.neighbours, fit.routes)."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.context import Context
from bothy.core.design.fit import FitBay
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.fit import rule_table  # noqa: F401  registers the rules
from bothy.core.fit.bed_rules import bed_findings
from bothy.core.fit.boxes import RULE_OF, Box, Clash, above, gap, out_of_box, out_of_hull, penetration
from bothy.core.fit.bundle_rules import bundle_findings
from bothy.core.fit.exits import exit_findings
from bothy.core.fit.fill_rules import Filled, fill_findings
from bothy.core.fit.geometry import Geometry, Placed, box_of
from bothy.core.fit.net import ENGINE
from bothy.core.fit.signals import signal_findings
from bothy.core.fit.states import Room, state_findings
from bothy.core.fit.tie_down import FIXINGS, TIE_G, needed, pulls
from bothy.core.fit.way_out import WayOut
from bothy.core.warmth.cabinet import CabinetVentIn, cabinet_vent, room_on_hot_day
from bothy.core.wiring.circuit import Worked
from bothy.core.words.choices import word_of
from bothy.core.words.says import fit_says as says

HEAT_GAP_M, REACH_M = 0.30, 0.60
HOB_SIDE_M, HOB_UP_M, STOVE_M, SOCKET_M = 0.15, 0.60, 0.30, 0.30
HEAVY_KG, HIGH_M, BEHIND_KG, BEHIND_M, HELD_KG = 20.0, 0.8, 40.0, 0.3, 3.0
SAFETY = 2.0
FACE_NAMES = {"rear": says("at-rear"), "front": says("at-front"), "right": says("on-right"), "left": says("on-left"), "bottom": "below", "top": "above"}
WHY = {"air": says("for-air"), "heat": says("for-heat"), "service": says("to-be-served"), "door_swing": says("for-door")}


def mm(metres: float) -> str:
    """A missing distance as it is read off a tape, at least 1 mm."""
    return f"{max(1, round(1000 * metres))} mm"


def _set(ctx: Context, of: str, label: str, **values: object) -> Remedy | None:
    """Set fields of a thing's place."""
    for i, p in enumerate(ctx.design.fit.places):
        if p.of == of:
            path = f"/fit/places/{i}"
            ops = [{"op": "test", "path": f"{path}/of", "value": of}, *({"op": "replace", "path": f"{path}/{k}", "value": v} for k, v in values.items())]
            return Remedy(label=label, patch=ops)
    return None


def _name(geo: Geometry, key: str) -> str:
    if key in geo.placed:
        return geo.placed[key].thing.name
    return next((name for id, name, _, _ in geo.body.obstacles if id == key), key)


def _freed(ctx: Context, geo: Geometry, c: Clash) -> Remedy | None:
    """The shortest move that frees a thing, where that makes no other conflict."""
    a = geo.placed[c.a]
    if c.kind in ("shell", "bay", "shell_clearance", "bay_clearance"):
        step = {"rear": (1, 0, 0), "front": (-1, 0, 0), "right": (0, 1, 0), "left": (0, -1, 0), "bottom": (0, 0, 1), "top": (0, 0, -1)}[c.face]
        moves = [step]
    else:
        moves = [(1, 0, 0), (-1, 0, 0), (0, 1, 0), (0, -1, 0)]
    depth = c.depth_m + 0.001
    for s in moves:
        moved = a.box.moved(*(depth * k for k in s))
        if not _meets(geo, a, moved):
            x, y, z = (round(v, 3) for v in (moved.x0, moved.y0, moved.z0))
            way = {
                (1, 0, 0): "forwards",
                (-1, 0, 0): "backwards",
                (0, 1, 0): says("to-left"),
                (0, -1, 0): says("to-right"),
                (0, 0, 1): "up",
                (0, 0, -1): "down",
            }[s]
            return _set(ctx, c.a, says("move", thing_name=a.thing.name, mm=mm(depth), way=way), x_m=x, y_m=y, z_m=z)
    return None


def _meets(geo: Geometry, a: Placed, box: Box) -> bool:
    """Whether a box would meet anything, with its clearance."""
    grown = box.grown(a.clearance)
    if a.in_room and out_of_hull(box, geo.body.hull)[0] > 0.0005:
        return True
    if any(penetration(box, o) > 0.0005 for *_, o in geo.body.obstacles):
        return True
    for k, b in geo.placed.items():
        if k == a.thing.key or b.thing.on_roof or k == a.inside or b.inside == a.thing.key or (b.thing.hollow and a.thing.small):
            continue
        if penetration(box, b.box) > 0.0005 or (not b.thing.small and not b.thing.hollow and penetration(grown, b.box) > 0.0005):
            return True
    return False


def clash_findings(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    """What doesn't fit."""
    for c in geo.clashes:
        a = geo.placed[c.a]
        name, other = a.thing.name, _name(geo, c.b) if c.b else ""
        station = says("at-from-rear", middle_m=a.box.middle[0])
        severity = None
        if c.kind == "shell":
            words = says("outside-vehicle", name=name, mm=mm(c.depth_m), face_names=FACE_NAMES[c.face], station=station)
        elif c.kind == "bay":
            words = says("outside", name=name, mm=mm(c.depth_m), bay_name=a.bay.name if a.bay else "", face_names=FACE_NAMES[c.face])
        elif c.kind == "obstacle":
            words = says("cuts-into", name=name, mm=mm(c.depth_m), other=other)
        elif c.kind == "overlap":
            words = says("stands-deep-in", name=name, mm=mm(c.depth_m), other=other)
        else:
            what = (
                says("in-way", other=other)
                if c.b
                else says("vehicles-wall-in-way", face_names=FACE_NAMES[c.face])
                if c.kind == "shell_clearance"
                else says("bay-ends")
            )
            words = says("lacks-space-that-needs", name=name, mm=mm(c.depth_m), why=WHY[a.thing.why], what=what)
            if a.thing.why == "heat":
                severity = "danger"
        related = [c.b] if c.b in geo.placed else []
        beside = c.face if "clearance" in c.kind else ""
        yield finding(RULE_OF[c.kind], c.a, name, words, beside=c.b or beside, related=related, fix=_freed(ctx, geo, c), severity=severity)  # type: ignore[arg-type]


def _pairs(geo: Geometry, first: set[str], second: set[str]) -> Iterator[tuple[Placed, Placed]]:
    for a in geo.placed.values():
        if first & a.thing.tags:
            for b in geo.placed.values():
                if b is not a and second & b.thing.tags:
                    yield a, b


def neighbour_findings(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    """What may not stand by what."""
    for a, b in _pairs(geo, {"water"}, {"electrics", "battery"}):
        if a.doc.tray or a.thing.on_roof or b.thing.on_roof or not above(a.box, b.box):
            continue
        mains = "mains" in b.thing.tags
        words = says("hangs-over-what-leaks", thing_name=a.thing.name, z0_m=a.box.z0 - b.box.z1, thing_name_2=b.thing.name)
        yield finding(
            "fit-water-above-mains" if mains else "fit-water-above-dc",
            a.thing.key,
            a.thing.name,
            words,
            beside=b.thing.key,
            related=[b.thing.key],
            fix=_set(ctx, a.thing.key, says("put-drained-tray-under"), tray=True),
        )
    for a, b in _pairs(geo, {"battery"}, {"heat"}):
        if gap(a.box, b.box) < HEAT_GAP_M - 1e-9 and not (a.doc.shield or b.doc.shield):
            words = says("gets-hot-and-from", thing_name=b.thing.name, gap_mm=1000 * gap(a.box, b.box))
            yield finding(
                "fit-battery-near-heat",
                a.thing.key,
                a.thing.name,
                words,
                beside=b.thing.key,
                related=[b.thing.key],
                fix=_set(ctx, a.thing.key, says("fit-heat-shield-between"), shield=True),
            )
    for a, b in _pairs(geo, {"hob", "stove"}, {"flammable"}):
        side, up = (STOVE_M, STOVE_M) if "stove" in a.thing.tags else (HOB_SIDE_M, HOB_UP_M)
        grown = a.box.grown((side, side, side, side, 0.0, up))
        if penetration(grown, b.box) > 1e-6 and not (a.doc.shield or b.doc.shield) and a.inside != b.thing.key:
            words = says("can-burn-and-from", thing_name=b.thing.name, gap_mm=1000 * gap(a.box, b.box), side_mm=1000 * side, up_mm=1000 * up)
            yield finding(
                "fit-stove-combustible",
                a.thing.key,
                a.thing.name,
                words,
                beside=b.thing.key,
                related=[b.thing.key],
                fix=_set(ctx, a.thing.key, says("fit-shield-between"), shield=True),
            )
    for a, b in _pairs(geo, {"outlet"}, {"sink", "hob"}):
        far = 1.83 if ctx.design.region == "us" and "sink" in b.thing.tags else SOCKET_M
        protected = ctx.design.region == "us" and "sink" in b.thing.tags and ctx.design.wiring.mains is not None and ctx.design.wiring.mains.rcd
        if gap(a.box, b.box) < far - 1e-9 and not protected:
            words = says("socket-from-keep-at", gap_mm=1000 * gap(a.box, b.box), thing_name=b.thing.name, far_mm=1000 * far)
            yield finding("fit-socket-near-water", a.thing.key, a.thing.name, words, beside=b.thing.key, related=[b.thing.key])
    yield from _locker(ctx, geo)
    yield from _leaks_in(ctx, geo)
    yield from _shut_in(ctx, geo)


INDOORS_FREE = {"gas": ("gas_locker", "outside_locker", "underfloor"), "generator": ("outside_locker", "underfloor", "engine_bay")}
"""Bays in which what leaks or breathes out does not reach the living space."""


def _keeps_out(ctx: Context, bay: FitBay, what: str) -> bool:
    """Whether a bay keeps gas or exhaust out of the living space: by its kind, and a locker of no such kind only where it is sealed from inside."""
    if bay.kind not in INDOORS_FREE[what]:
        return False
    locker = ctx.design.gas.locker
    return bay.kind != "outside_locker" or bay.sealed_inside or (what == "gas" and locker is not None and locker.sealed)


def _leaks_in(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    """Vessels and a generator that stand open to the living space."""
    hull, vessels = geo.body.hull, {f"gas:{v.id}" for v in ctx.design.gas.vessels}
    for key, p in geo.placed.items():
        what = "gas" if key in vessels else "generator" if key == "power:generator" else ""
        if not what or p.thing.on_roof or (p.bay is not None and _keeps_out(ctx, p.bay, what)):
            continue
        x, y, z = p.box.middle
        middle = Box(x, x, y, y, z, z)
        if any(out_of_box(middle, box_of(b))[0] <= 0 for b in ctx.design.fit.bays if _keeps_out(ctx, b, what)):
            continue
        if not (hull.first < x < hull.last and abs(y) < geo.body.half and 0 < z < geo.body.height):
            continue
        where = p.bay.name if p.bay is not None else says("living-space")
        if what == "gas":
            yield finding("fit-gas-indoors", key, p.thing.name, says("vessel-stands-in", thing_name=p.thing.name, where=where))
        else:
            yield finding("fit-generator-indoors", key, p.thing.name, says("generator-stands-in", thing_name=p.thing.name, where=where))


HOT_SIDE_C = 40.0
"""Air round an inverter at which it still gives what it says (typical)."""


def _shut_in(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    """What gives off heat in a bay that is closed all round, unless a hot cabinet is entered for it."""
    inverter = ctx.design.power.inverter
    for key, p in geo.placed.items():
        if not p.thing.loss_w or p.bay is None or not p.bay.enclosed or (inverter is not None and inverter.cabinet is not None):
            continue
        room = room_on_hot_day(ctx.hot_c, HOT_SIDE_C)
        high = max(0.1, 0.8 * (p.bay.z1_m - p.bay.z0_m))
        need = cabinet_vent(CabinetVentIn.trusted(heat_w=p.thing.loss_w, room_temp_c=room, max_cabinet_temp_c=HOT_SIDE_C, stack_height_m=high))
        if 100 * (p.bay.vent_cm2 or 0.0) < need.vent_area_each_mm2:
            told = says("heat-shut-in", loss_w=p.thing.loss_w, bay=p.bay.name, each_mm2=need.vent_area_each_mm2, have_mm2=100 * (p.bay.vent_cm2 or 0.0))
            yield finding("fit-inverter-closed", key, p.thing.name, told)


def _locker(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    for p in geo.placed.values():
        if not {"dc", "mains"} & p.thing.tags or "gas" in p.thing.tags:
            continue
        for bay in ctx.design.fit.bays:
            if bay.kind != "gas_locker":
                continue
            if penetration(p.box, box_of(bay)) > 0.0005:
                yield finding(
                    "fit-electrics-in-gas-locker",
                    p.thing.key,
                    p.thing.name,
                    says("stands-in-with-gas", thing_name=p.thing.name, bay_name=bay.name),
                )


def standing_findings(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    """Each thing by itself: pose, height, reach, hatch, what holds it."""
    g = geo.body.gear
    for p in geo.placed.values():
        t, key, name = p.thing, p.thing.key, p.thing.name
        if p.doc.up not in t.up:
            words = says("stands-with-up-usually", name=name, up=p.doc.up, what=t.what, up_2=" or ".join(t.up[:4]))
            yield finding("fit-orientation", key, name, words, fix=_set(ctx, key, says("stand-with-up", up=t.up[0]), up=t.up[0]))
        x, _, z = p.box.middle
        if t.full_kg >= HEAVY_KG and z > HIGH_M and not t.on_roof and "furniture" not in t.tags:
            yield finding("fit-heavy-high", key, name, says("hang-with-their-middle", full_kg=t.full_kg, name=name, z_m=z))
        if g.kind == "axles" and g.rear_x is not None and t.full_kg >= BEHIND_KG and "furniture" not in t.tags and x < g.rear_x - BEHIND_M:
            base = (g.front_x or 0.0) - g.rear_x
            lifts = t.full_kg * (g.rear_x - x) / base
            yield finding(
                "fit-heavy-behind-axle",
                key,
                name,
                says("stand-behind-rear-axle", full_kg=t.full_kg, name=name, rear_x_m=g.rear_x - x, lifts_kg=lifts),
            )
        if "switch" in t.tags and not 0.4 <= z <= 1.5:
            yield finding("fit-switch-height", key, name, says("switch-over-floor-to", z_m=z))
        hidden = p.inside and not p.doc.hatch
        if hidden and "reach" in t.tags:
            yield finding(
                "fit-isolator-hidden",
                key,
                name,
                says("inside-in-fire-must", name=name, name_2=_name(geo, p.inside)),
                related=[p.inside],
                severity="question",
                answers=[r for r in (_set(ctx, key, says("enter-that-door-or"), hatch=True),) if r],
            )
        elif hidden and "hatch" in t.tags:
            yield finding(
                "fit-no-hatch",
                key,
                name,
                says("inside-and-must-be", name=name, name_2=_name(geo, p.inside)),
                related=[p.inside],
                severity="question",
                answers=[r for r in (_set(ctx, key, says("enter-that-hatch-leads"), hatch=True),) if r],
            )
    yield from _held(ctx, geo)
    for p in geo.placed.values():
        if any(v > s + 1e-9 for _, at in p.thing.ports for v, s in zip(at, p.thing.size, strict=True)):
            words = says("point-where-runs-joined")
            yield finding("fit-port-outside", p.thing.key, p.thing.name, words)
    for s in ctx.design.fit.body.stations:
        if s.from_wall:
            yield finding("fit-station-from-wall", "fit", says("body"), says("station-at-was-measured", x_m=s.x_m))
    for gone in geo.strays:
        i = next(i for i, q in enumerate(ctx.design.fit.places) if q.of == gone.of)
        ops = [{"op": "test", "path": f"/fit/places/{i}/of", "value": gone.of}, {"op": "remove", "path": f"/fit/places/{i}"}]
        yield finding("fit-gone", gone.of, gone.of, says("design-no-longer-has"), fix=Remedy(label=says("remove-place"), patch=ops))


def _held(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    loose, g = [], TIE_G[ctx.design.fit.school]
    for p in geo.placed.values():
        t = p.thing
        if t.full_kg < HELD_KG or t.on_roof or {"seat", "loose", "removed", "gas"} & t.tags or "tank" in t.tags:
            continue  # tanks and vessels are held by the rules of Water and Gas
        if p.doc.fixing is None:
            loose.append(p)
            continue
        kind, count = FIXINGS[p.doc.fixing], p.doc.fixings
        base = (max(0.05, p.box.x1 - p.box.x0 - 0.04), max(0.05, p.box.y1 - p.box.y0 - 0.04))
        rows = pulls(t.full_kg, g, count, kind.shear_n, kind.pull_n, SAFETY, (p.box.z1 - p.box.z0) / 2, base)
        worst = max(rows, key=lambda r: r.used)
        if worst.used > 1 + 1e-9:
            n = needed(count, worst.used)
            words = says("must-hold-what-they", count=count, kind_name=kind.name, used_pc=100 * worst.used, direction=worst.direction, n=n)
            fix = _set(ctx, t.key, says("use-them", n=n), fixing_count=n) if n <= 60 else None
            yield finding("fit-tie-down-weak", t.key, t.name, words, figures=[f"fit/held/{t.key.replace(':', '-')}/used_frac"], fix=fix)
    if loose:
        names = ", ".join(p.thing.name for p in loose[:5]) + (says("and-others") if len(loose) > 5 else "")
        several = says("one-placed-thing-has") if len(loose) == 1 else says("what-placed-things-have", loose_count=len(loose))
        yield finding(
            "fit-tie-down-none",
            "fit",
            says("fit"),
            says("no-fixing-yet-in", several=several, names=names),
            related=[p.thing.key for p in loose[:20]],
            severity="question",
            answers=[_hold_all(ctx, loose)],
        )


def _hold_all(ctx: Context, loose: list[Placed]) -> Remedy:
    """Fixings that hold each thing: screws for what is light, bolts with plates for what is heavy."""
    ops: list[dict[str, object]] = []
    g = TIE_G[ctx.design.fit.school]
    index = {p.of: i for i, p in enumerate(ctx.design.fit.places)}
    for p in loose:
        key, count = best_fixing(p, g)
        path = f"/fit/places/{index[p.thing.key]}"
        ops += [
            {"op": "test", "path": f"{path}/of", "value": p.thing.key},
            {"op": "replace", "path": f"{path}/fixing", "value": key},
            {"op": "replace", "path": f"{path}/fixing_count", "value": count},
        ]
    return Remedy(label=says("choose-fixings-that-hold"), patch=ops)


def best_fixing(p: Placed, g: tuple[float, float, float, float]) -> tuple[str, int]:
    """The plainest fixing that holds a thing with at most eight of it; else bolts with plates, as many as it takes."""
    base = (max(0.05, p.box.x1 - p.box.x0 - 0.04), max(0.05, p.box.y1 - p.box.y0 - 0.04))
    for key in ("wood_screw_ply", "insert_m6", "bolt_m6_plate", "bolt_m8_plate"):
        f = FIXINGS[key]
        n = 4
        for _ in range(20):
            worst = max(r.used for r in pulls(p.thing.full_kg, g, n, f.shear_n, f.pull_n, SAFETY, (p.box.z1 - p.box.z0) / 2, base))
            if worst <= 1:
                break
            n = min(60, needed(n, worst))
        if n <= 8 or key == "bolt_m8_plate":
            return key, n
    return "bolt_m8_plate", 8


def route_findings(geo: Geometry) -> Iterator[Finding]:
    """Runs that find no way, or a bad one."""
    named = {"heat": "fit-route-heat", "moving_part": "fit-route-moving-part", "sharp_edge": "fit-route-sharp-edge"}
    for r in geo.routes.values():
        subject, name = r.run.id.partition(":")[2], r.run.name
        for w in r.ways:
            end = says("engine") if w.id == ENGINE else _name(geo, w.id)
            if w.path is None:
                said = says("no-way-for-leads", service=_service(r.run.service), start=_start(geo, r.run.a), end=end)
                if (joint := geo.ways.net.missing(r.run.service)) is not None:
                    said += says("net-in-pieces-shortest", joint_m=joint[2], joint=joint[0], joint_2=joint[1])
                yield finding("fit-route-none", subject, name, said)
                continue
            for tag in w.tags:
                if tag in named:
                    yield finding(named[tag], subject, name, says("route-to-passes-through", end=end, replace=word_of(tag)))


def _start(geo: Geometry, key: str) -> str:
    return says("engine") if key == ENGINE else _name(geo, key)


def _service(key: str) -> str:
    return {
        "dc": says("low-voltage"),
        "mains": "mains",
        "data": "signals",
        "gas": "gas",
        "water": "water",
        "waste": says("waste-water"),
        "duct": says("warm-air"),
    }[key]


def freed_by(geo: Geometry, key: str) -> str:
    """What is undone to take out a piece of furniture that is in the way: its fixings, and what stands in it."""
    p = geo.placed[key]
    if p.doc.fixing is None:
        return ""
    inside = [f"“{q.thing.name}”" for q in geo.placed.values() if q.inside == key]
    first = says("first-comes-out-what", inside=", ".join(inside[:4]), inside_count_over=len(inside) > 4) if inside else ""
    return says("freed-by-fixings", thing_name=p.thing.name, fixings=p.doc.fixings, fixings_name=FIXINGS[p.doc.fixing].name, first=first)


def out_findings(ctx: Context, geo: Geometry, out: dict[str, WayOut]) -> Iterator[Finding]:
    """What doesn't come out again."""
    for key, w in out.items():
        p = geo.placed[key]
        if w.door is None:
            size = " × ".join(f"{1000 * s:.0f}" for s in p.thing.piece or p.thing.size)
            yield finding("fit-door-too-small", key, p.thing.name, says("measures-and-goes-through", thing_name=p.thing.name, size_mm=size))
        elif not w.ok:
            pieces = ", ".join(f"“{_name(geo, k)}”" for k in w.blocking)
            words = says("in-way-2", pieces=pieces) if pieces else says("there-no-single-piece")
            if loose := [f for k in w.blocking if (f := freed_by(geo, k))]:
                words += " " + " ".join(loose)
            yield finding("fit-removal-blocked", key, p.thing.name, says("cant-be-taken-out", thing_name=p.thing.name, words=words), related=list(w.blocking))


def fit_findings(ctx: Context, geo: Geometry, out: dict[str, WayOut], worked: list[Worked], rooms: list[Room], filled: list[Filled]) -> list[Finding]:
    """All findings of places and ways."""
    if not ctx.design.fit.begun:
        return []
    return [
        *clash_findings(ctx, geo),
        *state_findings(ctx.design, geo, rooms),
        *neighbour_findings(ctx, geo),
        *standing_findings(ctx, geo),
        *bed_findings(geo),
        *route_findings(geo),
        *bundle_findings(ctx, geo, worked),
        *fill_findings(ctx, geo, filled),
        *signal_findings(ctx, geo, worked),
        *out_findings(ctx, geo, out),
        *exit_findings(ctx, geo),
    ]
