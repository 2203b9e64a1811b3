"""Findings of where things stand: conflicts, neighbours, reach, poses, ways (method fit.boxes, fit.neighbours, fit.routes)."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.context import Context
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.fit import rule_table  # noqa: F401  registers the rules
from bothy.core.fit.bed_rules import bed_findings
from bothy.core.fit.boxes import RULE_OF, Box, Clash, above, gap, out_of_hull, penetration
from bothy.core.fit.bundle_rules import bundle_findings
from bothy.core.fit.fill_rules import Filled, fill_findings
from bothy.core.fit.geometry import Geometry, Placed
from bothy.core.fit.net import ENGINE
from bothy.core.fit.signals import signal_findings
from bothy.core.fit.states import Room, state_findings
from bothy.core.fit.tie_down import FIXINGS, TIE_G, needed, pulls
from bothy.core.fit.way_out import WayOut
from bothy.core.wiring.circuit import Worked

HEAT_GAP_M, REACH_M = 0.30, 0.60
HOB_SIDE_M, HOB_UP_M, STOVE_M, SOCKET_M = 0.15, 0.60, 0.30, 0.30
HEAVY_KG, HIGH_M, BEHIND_KG, BEHIND_M, HELD_KG = 20.0, 0.8, 40.0, 0.3, 3.0
SAFETY = 2.0
FACE_NAMES = {"rear": "at the rear", "front": "at the front", "right": "on the right", "left": "on the left", "bottom": "below", "top": "above"}
WHY = {"air": "for air", "heat": "for heat", "service": "to be served", "door_swing": "for its door"}


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
            way = {(1, 0, 0): "forwards", (-1, 0, 0): "backwards", (0, 1, 0): "to the left", (0, -1, 0): "to the right", (0, 0, 1): "up", (0, 0, -1): "down"}[s]
            return _set(ctx, c.a, f"Move {a.thing.name} {mm(depth)} {way}", x_m=x, y_m=y, z_m=z)
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
        station = f" at {a.box.middle[0]:.2f} m from the rear"
        severity = None
        if c.kind == "shell":
            words = f"“{name}” is {mm(c.depth_m)} outside the vehicle {FACE_NAMES[c.face]},{station}."
        elif c.kind == "bay":
            words = f"“{name}” is {mm(c.depth_m)} outside “{a.bay.name if a.bay else ''}” {FACE_NAMES[c.face]}."
        elif c.kind == "obstacle":
            words = f"“{name}” cuts {mm(c.depth_m)} into “{other}”."
        elif c.kind == "overlap":
            words = f"“{name}” stands {mm(c.depth_m)} deep in “{other}”."
        else:
            what = (
                f"“{other}” is in the way"
                if c.b
                else f"the vehicle’s wall is in the way {FACE_NAMES[c.face]}"
                if c.kind == "shell_clearance"
                else "its bay ends"
            )
            words = f"“{name}” lacks {mm(c.depth_m)} of the space that it needs {WHY[a.thing.why]}: {what}."
            if a.thing.why == "heat":
                severity = "danger"
        related = [c.b] if c.b in geo.placed else []
        yield finding(RULE_OF[c.kind], c.a, name, words, related=related, fix=_freed(ctx, geo, c), severity=severity)  # type: ignore[arg-type]


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
        words = f"“{a.thing.name}” hangs {a.box.z0 - b.box.z1:.2f} m over “{b.thing.name}”; what leaks from it drips there."
        yield finding(
            "fit-water-above-mains" if mains else "fit-water-above-dc",
            a.thing.key,
            a.thing.name,
            words,
            related=[b.thing.key],
            fix=_set(ctx, a.thing.key, "Put a drained tray under it", tray=True),
        )
    for a, b in _pairs(geo, {"battery"}, {"heat"}):
        if gap(a.box, b.box) < HEAT_GAP_M - 1e-9 and not (a.doc.shield or b.doc.shield):
            words = f"“{b.thing.name}” gets hot and is {1000 * gap(a.box, b.box):.0f} mm from the battery; keep at least 300 mm."
            yield finding(
                "fit-battery-near-heat",
                a.thing.key,
                a.thing.name,
                words,
                related=[b.thing.key],
                fix=_set(ctx, a.thing.key, "Fit a heat shield between", shield=True),
            )
    for a, b in _pairs(geo, {"hob", "stove"}, {"flammable"}):
        side, up = (STOVE_M, STOVE_M) if "stove" in a.thing.tags else (HOB_SIDE_M, HOB_UP_M)
        grown = a.box.grown((side, side, side, side, 0.0, up))
        if penetration(grown, b.box) > 1e-6 and not (a.doc.shield or b.doc.shield) and a.inside != b.thing.key:
            words = (
                f"“{b.thing.name}” can burn, and is {1000 * gap(a.box, b.box):.0f} mm from the flame; keep {1000 * side:.0f} mm beside it and "
                f"{1000 * up:.0f} mm above."
            )
            yield finding(
                "fit-stove-combustible",
                a.thing.key,
                a.thing.name,
                words,
                related=[b.thing.key],
                fix=_set(ctx, a.thing.key, "Fit a shield between", shield=True),
            )
    for a, b in _pairs(geo, {"outlet"}, {"sink", "hob"}):
        far = 1.83 if ctx.design.region == "us" and "sink" in b.thing.tags else SOCKET_M
        protected = ctx.design.region == "us" and "sink" in b.thing.tags and ctx.design.wiring.mains is not None and ctx.design.wiring.mains.rcd
        if gap(a.box, b.box) < far - 1e-9 and not protected:
            words = f"The socket is {1000 * gap(a.box, b.box):.0f} mm from “{b.thing.name}”; keep at least {1000 * far:.0f} mm."
            yield finding("fit-socket-near-water", a.thing.key, a.thing.name, words, related=[b.thing.key])
    yield from _locker(ctx, geo)


def _locker(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    for p in geo.placed.values():
        if not {"dc", "mains"} & p.thing.tags or "gas" in p.thing.tags:
            continue
        for bay in ctx.design.fit.bays:
            if bay.kind != "gas_locker":
                continue
            box = Box(bay.x0_m, bay.x1_m, bay.y0_m, bay.y1_m, bay.z0_m, bay.z1_m)
            if penetration(p.box, box) > 0.0005:
                yield finding(
                    "fit-electrics-in-gas-locker",
                    p.thing.key,
                    p.thing.name,
                    f"“{p.thing.name}” stands in “{bay.name}” with the gas: one spark ignites what leaked.",
                )


def standing_findings(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    """Each thing by itself: pose, height, reach, hatch, what holds it."""
    g = geo.body.gear
    for p in geo.placed.values():
        t, key, name = p.thing, p.thing.key, p.thing.name
        if p.doc.up not in t.up:
            words = f"“{name}” stands with its {p.doc.up} up; a {t.what} is usually allowed with its {' or '.join(t.up[:4])} up."
            yield finding("fit-orientation", key, name, words, fix=_set(ctx, key, f"Stand it with its {t.up[0]} up", up=t.up[0]))
        x, _, z = p.box.middle
        if t.full_kg >= HEAVY_KG and z > HIGH_M and not t.on_roof and "furniture" not in t.tags:
            yield finding("fit-heavy-high", key, name, f"The {t.full_kg:.0f} kg of “{name}” hang with their middle {z:.2f} m over the floor.")
        if g.kind == "axles" and g.rear_x is not None and t.full_kg >= BEHIND_KG and "furniture" not in t.tags and x < g.rear_x - BEHIND_M:
            base = (g.front_x or 0.0) - g.rear_x
            lifts = t.full_kg * (g.rear_x - x) / base
            yield finding(
                "fit-heavy-behind-axle",
                key,
                name,
                f"The {t.full_kg:.0f} kg of “{name}” stand {g.rear_x - x:.2f} m behind the rear axle and take {lifts:.0f} kg off the front.",
            )
        if "switch" in t.tags and not 0.4 <= z <= 1.5:
            yield finding("fit-switch-height", key, name, f"The switch is {z:.2f} m over the floor; 0.40 to 1.50 m is in reach of everybody.")
        hidden = p.inside and not p.doc.hatch
        if hidden and "reach" in t.tags:
            yield finding(
                "fit-isolator-hidden",
                key,
                name,
                f"“{name}” is inside “{_name(geo, p.inside)}”. In a fire it must be reached at once.",
                related=[p.inside],
                severity="question",
                answers=[r for r in (_set(ctx, key, "Enter that a door or hatch without a tool leads to it", hatch=True),) if r],
            )
        elif hidden and "hatch" in t.tags:
            yield finding(
                "fit-no-hatch",
                key,
                name,
                f"“{name}” is inside “{_name(geo, p.inside)}” and must be got at to look after it.",
                related=[p.inside],
                severity="question",
                answers=[r for r in (_set(ctx, key, "Enter that a hatch leads to it", hatch=True),) if r],
            )
    yield from _held(ctx, geo)
    for p in geo.placed.values():
        if any(v > s + 1e-9 for _, at in p.thing.ports for v, s in zip(at, p.thing.size, strict=True)):
            words = "The point where its runs are joined lies outside its own size; the nearest point of its box is used."
            yield finding("fit-port-outside", p.thing.key, p.thing.name, words)
    for s in ctx.design.fit.body.stations:
        if s.from_wall:
            yield finding("fit-station-from-wall", "fit", "Body", f"The station at {s.x_m:.2f} m was measured from a wall; walls taper and bow by 20 to 60 mm.")
    for gone in geo.strays:
        i = next(i for i, q in enumerate(ctx.design.fit.places) if q.of == gone.of)
        ops = [{"op": "test", "path": f"/fit/places/{i}/of", "value": gone.of}, {"op": "remove", "path": f"/fit/places/{i}"}]
        yield finding(
            "fit-gone", gone.of, gone.of, "The design no longer has this thing, and its place is still kept.", fix=Remedy(label="Remove its place", patch=ops)
        )


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
            words = f"The {count} × {kind.name} must hold {100 * worst.used:.0f} % of what they can (direction: {worst.direction}); {n} of them would do."
            fix = _set(ctx, t.key, f"Use {n} of them", fixing_count=n) if n <= 60 else None
            yield finding("fit-tie-down-weak", t.key, t.name, words, figures=[f"fit/held/{t.key.replace(':', '-')}/used_frac"], fix=fix)
    if loose:
        names = ", ".join(p.thing.name for p in loose[:5]) + (" and others" if len(loose) > 5 else "")
        several = "One placed thing has" if len(loose) == 1 else f"Of what is placed, {len(loose)} things have"
        yield finding(
            "fit-tie-down-none",
            "fit",
            "Fit",
            f"{several} no fixing yet: {names}. In a crash each pulls with ten times its weight and more.",
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
    return Remedy(label="Choose fixings that hold each", patch=ops)


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
            end = "the engine" if w.id == ENGINE else _name(geo, w.id)
            if w.path is None:
                said = f"No way for {_service(r.run.service)} leads from “{_start(geo, r.run.a)}” to “{end}”."
                if (joint := geo.ways.net.missing(r.run.service)) is not None:
                    said += f" The net is in pieces; the shortest way between two of them would be {joint[2]:.2f} m, from {joint[0]} to {joint[1]}."
                yield finding("fit-route-none", subject, name, said)
                continue
            for tag in w.tags:
                if tag in named:
                    yield finding(named[tag], subject, name, f"The route to “{end}” passes through: {tag.replace('_', ' ')}.")


def _start(geo: Geometry, key: str) -> str:
    return "the engine" if key == ENGINE else _name(geo, key)


def _service(key: str) -> str:
    return {"dc": "low voltage", "mains": "mains", "data": "signals", "gas": "gas", "water": "water", "waste": "waste water", "duct": "warm air"}[key]


def freed_by(geo: Geometry, key: str) -> str:
    """What is undone to take out a piece of furniture that is in the way: its fixings, and what stands in it."""
    p = geo.placed[key]
    if p.doc.fixing is None:
        return ""
    inside = [f"“{q.thing.name}”" for q in geo.placed.values() if q.inside == key]
    first = f" First comes out what stands in it: {', '.join(inside[:4])}{' and more' if len(inside) > 4 else ''}." if inside else ""
    return f"“{p.thing.name}” is freed by its {p.doc.fixings} fixings ({FIXINGS[p.doc.fixing].name}).{first}"


def out_findings(ctx: Context, geo: Geometry, out: dict[str, WayOut]) -> Iterator[Finding]:
    """What doesn't come out again."""
    for key, w in out.items():
        p = geo.placed[key]
        if w.door is None:
            size = "×".join(f"{1000 * s:.0f}" for s in p.thing.size)
            yield finding("fit-door-too-small", key, p.thing.name, f"“{p.thing.name}” measures {size} mm and goes through no door of the vehicle.")
        elif not w.ok:
            pieces = ", ".join(f"“{_name(geo, k)}”" for k in w.blocking)
            words = f"In the way: {pieces}." if pieces else "There is no single piece whose removal would free it."
            if loose := [f for k in w.blocking if (f := freed_by(geo, k))]:
                words += " " + " ".join(loose)
            yield finding(
                "fit-removal-blocked", key, p.thing.name, f"“{p.thing.name}” can’t be taken out past the furniture. {words}", related=list(w.blocking)
            )


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
    ]
