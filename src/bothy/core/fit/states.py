"""A vehicle that opens: the room that a slide-out or a raised roof adds, what moves with it, and what meets only then (method fit.boxes)."""

from __future__ import annotations

from collections.abc import Iterator
from itertools import combinations
from typing import NamedTuple

from bothy.core.design.document import Design
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.fit.body import BodyShape
from bothy.core.fit.boxes import OVER, Box, Clash, out_of_box, out_of_hull, penetration
from bothy.core.fit.geometry import Geometry, Placed, by_design, checked
from bothy.core.words.says import fit_says as says

POP_TOP = "surface:pop_top_lid"
OUTSIDE_M, CAB_M = 0.1, 1.5
"""How far something measured outside may reach over the finished inside, and a lifting roof over the cab."""
MOST_NAMED = 6
"""Things that a question names; more of them are counted."""


class Room(NamedTuple):
    """Room that is there only while the vehicle stands open: from inside the body out to its far face; ``swept``: what a slide-out fills when it is in,
    ``out``: how far it moves along x and y in m; ``key``: the surface of the shell that it is."""

    key: str
    name: str
    box: Box
    swept: Box | None
    out: tuple[float, float]


def rooms_of(design: Design, body: BodyShape) -> list[Room]:
    """The rooms of a design's slide-outs and pop-top."""
    first, last, half, w = body.hull.first, body.hull.last, body.half, design.warmth
    out = []
    for i, s in enumerate(w.slide_outs):
        key, name, z0, z1 = f"surface:slide_out_{i + 1}", says("slide-out", i=i + 1), s.sill_z_m, s.sill_z_m + s.height_m
        if s.on == "rear":
            y0 = -s.width_m / 2 if s.x_m is None else -half + s.x_m
            out.append(
                Room(
                    key,
                    name,
                    Box(first - s.depth_m, last, y0, y0 + s.width_m, z0, z1),
                    Box(first, first + s.depth_m, y0, y0 + s.width_m, z0, z1),
                    (-s.depth_m, 0.0),
                )
            )
            continue
        x0 = body.begins(s.width_m, s.x_m)
        sign = 1 if s.on == "left" else -1
        (y0, y1), (w0, w1) = sorted((-sign * half, sign * (half + s.depth_m))), sorted((sign * (half - s.depth_m), sign * half))
        out.append(Room(key, name, Box(x0, x0 + s.width_m, y0, y1, z0, z1), Box(x0, x0 + s.width_m, w0, w1, z0, z1), (0.0, sign * s.depth_m)))
    if (t := w.pop_top) is not None:
        x0 = body.begins(t.length_m, t.x_m)
        out.append(Room(POP_TOP, says("pop-top"), Box(x0, x0 + t.length_m, -t.width_m / 2, t.width_m / 2, 0.0, body.height + t.height_m), None, (0.0, 0.0)))
    return out


def open_clashes(geo: Geometry, rooms: list[Room]) -> list[Clash]:
    """What meets only while the vehicle stands open; of the shell, only what hangs out of every room too."""
    moving = {k for k, p in geo.placed.items() if p.doc.open is not None}
    if not moving:
        return []
    placed = {k: p._replace(box=p.open_box) for k, p in geo.placed.items()}
    free = frozenset(k for k in moving if any(out_of_box(placed[k].box, r.box)[0] <= OVER for r in rooms))
    now = {(c.kind, c.a, c.b) for c in geo.clashes}
    found = [c for c in checked(geo.body, placed, free) if (c.a in moving or c.b in moving) and "bay" not in c.kind and (c.kind, c.a, c.b) not in now]
    return [c for c in found if not by_design(placed, c)]


def state_findings(design: Design, geo: Geometry, rooms: list[Room]) -> Iterator[Finding]:
    """What fits in one state only, and what a slide-out would push when it comes in."""
    for c in open_clashes(geo, rooms):
        a = geo.placed[c.a]
        other = geo.placed[c.b].thing.name if c.b in geo.placed else next((n for id, n, _, _ in geo.body.obstacles if id == c.b), "")
        what = says("in-way-3", other=other) if other else says("leaves-vehicle-and-what", face=c.face)
        words = says("when-vehicle-stands-open", what=what, value_mm=max(1, round(1000 * c.depth_m)))
        yield finding("fit-travel-state", c.a, a.thing.name, words, beside=c.b or c.face, related=[c.b] if c.b in geo.placed else [])
    for r in rooms:
        if swept := [key for key, p in geo.placed.items() if _in_the_way(geo, r, p)]:
            yield _swept(design, r, {key: geo.placed[key] for key in swept})
    yield from _rooms_clash(geo.body, rooms)


def _in_the_way(geo: Geometry, room: Room, p: Placed) -> bool:
    """Whether a thing stands where a slide-out is while it is in, and nothing says that it moves."""
    if room.swept is None or not p.in_room or p.doc.open is not None or p.inside in geo.placed:
        return False
    return penetration(p.box, room.swept) > 2 * OVER and out_of_hull(p.box, geo.body.hull)[0] <= OVER


def _swept(design: Design, room: Room, things: dict[str, Placed]) -> Finding:
    """One question for all that stands there, with the answer that it moves out too."""
    ops: list[dict[str, object]] = []
    for i, d in enumerate(design.fit.places):
        if d.of in things:
            there = {"x_m": round(d.x_m + room.out[0], 3), "y_m": round(d.y_m + room.out[1], 3), "z_m": d.z_m}
            ops += [{"op": "test", "path": f"/fit/places/{i}/of", "value": d.of}, {"op": "add", "path": f"/fit/places/{i}/open", "value": there}]
    names = [p.thing.name for p in things.values()]
    label = says("enter-that-moves-out", room_name=room.name.lower(), names_count=len(names))
    answers = [Remedy(label=label, patch=ops)] if ops else []
    if len(names) == 1:
        words = says("stands-where-while-that", thing_name=names[0], room_name=room.name)
    else:
        listed = says("list-of-names", names="”, “".join(names[:MOST_NAMED]), more=len(names) - MOST_NAMED, has_more=len(names) > MOST_NAMED)
        words = says("these-stand-where", listed=listed, room_name=room.name)
    return finding("fit-travel-state", room.key, room.name, words, severity="question", answers=answers, related=list(things))


def _rooms_clash(body: BodyShape, rooms: list[Room]) -> Iterator[Finding]:
    """Slide-outs and a lifting roof that reach past the body, or into each other while they are in; of each the first is told."""
    first, last, half = body.hull.first, body.hull.last, body.half
    found: dict[str, Finding] = {}
    for r in rooms:
        b, front = (r.swept, last) if r.swept is not None else (r.box, last + CAB_M)
        over = max(first - b.x0, b.x1 - front, b.y1 - half, -half - b.y0, b.z1 - body.height if r.swept is not None else 0.0)
        if over > OUTSIDE_M + OVER:
            found[r.key] = finding("fit-opening-body", r.key, r.name, says("reaches-past-body", room_name=r.name, over_mm=round(1000 * over)))
    for a, other in combinations([r for r in rooms if r.swept is not None], 2):
        assert a.swept is not None and other.swept is not None
        deep = penetration(a.swept, other.swept)
        if deep > OVER and a.key not in found:
            words = says("meet-while-in", room_name=a.name, b_name=other.name, deep_mm=max(1, round(1000 * deep)))
            found[a.key] = finding("fit-opening-body", a.key, a.name, words, related=[other.key])
    yield from found.values()
