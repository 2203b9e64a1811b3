"""Openings of sides, rear and floor worked out: what lies where, what is wrong with it, and the templates (method roof.side-cut)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.contract import BadInput, quick
from bothy.core.design.document import Design
from bothy.core.design.sides import Face
from bothy.core.finding import Finding
from bothy.core.fit.body import body_of
from bothy.core.fit.geometry import Geometry
from bothy.core.fit.part import WallPart
from bothy.core.roof.pack import Rect
from bothy.core.roof.plan import Cut, RoofShape, shape_of
from bothy.core.roof.template import Sheet, Template, drawn
from bothy.core.sides.part import BarPart, FacePart, SidesPart, SideStep, SideThingPart
from bothy.core.sides.plan import FACES, NAMES, Bar, FaceShape, SideThing, face_of, side_things
from bothy.core.sides.rules import BEHIND_M, lines_of, shadow_on, side_findings, start_of
from bothy.core.words.says import sides_says as says

WORK: tuple[tuple[str, str], ...] = (
    (says("look-inside"), says("lining-off-look-and")),
    (says("mark-from-inside"), says("where-pillars-show-drill")),
    (says("measure-again-outside"), says("from-pilot-hole-to")),
    (says("tape-and-corners"), says("mask-paint-on-both")),
    (says("saw"), says("fine-blade-slowly-second")),
    (says("deburr"), says("file-both-sides-sweep")),
    (says("paint-edge"), says("rust-paint-two-coats")),
    (says("frame"), says("frame-as-thick-as")),
    (
        says("bead-and-fit"),
        says("bead-under-flange-fit"),
    ),
    (says("water"), says("when-has-cured-ten")),
)
FLOOR_WORK: tuple[tuple[str, str], ...] = (
    (
        says("look-from-below"),
        says("on-ramps-or-stands"),
    ),
    (says("measure-twice"), says("from-two-edges-that")),
    (says("pilot-hole"), says("one-hole-with-stop")),
    (says("cut"), says("hole-saw-from-above")),
    (says("paint-edge"), says("rust-paint-two-coats-then")),
    (says("sleeve-and-seal"), says("flue-through-metal-plate")),
    (says("drop-vents-stay-open"), says("vent-for-gas-never")),
)
"""The order of the work, cautions first."""


def sheet_of(face: FaceShape) -> Sheet:
    """A face as the metal that a template is laid on."""
    upright = [(b.name.lower(), b.rect.x0, b.rect.x1) for b in face.bars if b.rect.y1 - b.rect.y0 >= b.rect.x1 - b.rect.x0]
    flat = [(b.name.lower(), b.rect.y0, b.rect.y1) for b in face.bars if b.rect.y1 - b.rect.y0 < b.rect.x1 - b.rect.x0]
    if face.id == "floor":
        line = says("centre-line")
        return Sheet(
            tuple(upright),
            tuple(flat),
            says("centre-line-vehicle"),
            (says("to-left-2", line=line), says("to-right-2", line=line), says("on-centre-line")),
            (says("seen-from-above-lay"), says("seen-from-below-mirrored")),
            says("to-front"),
            "y",
            from_end=says("ahead-rear-most-inside"),
        )
    rear = face.id == "rear"
    return Sheet(
        tuple(upright),
        tuple(flat),
        says("finished-floor"),
        (says("above-finished-floor"), says("below-finished-floor"), says("at-height-finished-floor")),
        (says("seen-from-outside"), says("seen-from-inside-mirrored")),
        says("to-left-side") if rear else says("to-front"),
        "x",
        front_left=face.id != "right",
        from_end=says("left-centre-line") if rear else says("ahead-rear-most-inside"),
    )


def side_template(design: Design, of: str, mirrored: bool = False) -> Template:
    """The template of an opening, seen from outside (of the floor: from above) or mirrored. Raises :class:`BadInput` when nothing is cut."""
    t = next((x for x in side_things(design) if x.key == of), None)
    if t is None:
        raise BadInput("of", says("nothing-that-goes-through", of=of))
    if t.cut is None:
        raise BadInput("of", says("isnt-set-out-yet", t_name=t.name))
    hole = t.hole
    if hole is None:
        raise BadInput("of", says("there-already-nothing-cut", t_name=t.name))
    face = face_of(design, body_of(design), shape_of(design, body_of(design)), t.cut.face)
    return _drawn(t, face, mirrored)


def _drawn(t: SideThing, face: FaceShape, mirrored: bool = False) -> Template:
    c, hole = t.cut, t.hole
    assert c is not None and hole is not None
    return drawn(t.name, Cut(c.length_mm, c.height_mm, c.radius_mm, c.clamp_min_mm, c.clamp_max_mm, None, c.measured), hole, sheet_of(face), mirrored)


def _bar(b: Bar) -> BarPart:
    return quick(BarPart, id=b.id, name=b.name, kind=b.kind, rect=list(b.rect), assumed=b.assumed)


def _behind(face: str, geo: Geometry) -> list[BarPart]:
    out = []
    for p in geo.placed.values():
        if not p.in_room or "removed" in p.thing.tags:
            continue
        seen = shadow_on(face, p.box, geo)
        if seen is not None and seen[1] < BEHIND_M:
            out.append(quick(BarPart, id=p.thing.key, name=p.thing.name, kind="thing", rect=list(seen[0]), assumed=False))
    return out


def _thing(t: SideThing, faces: dict[Face, FaceShape], at: tuple[float, float]) -> SideThingPart:
    c, r = t.cut, t.rect
    length, height, radius = (c.length_mm, c.height_mm, c.radius_mm) if c is not None else t.size
    return quick(
        SideThingPart,
        key=t.key,
        name=t.name,
        kind=t.kind,
        face=c.face if c is not None else t.face,
        why=t.why,
        set_out=c is not None,
        u_m=at[0],
        v_m=at[1],
        length_mm=length,
        height_mm=height,
        radius_mm=radius,
        clamp_min_mm=c.clamp_min_mm if c is not None else None,
        clamp_max_mm=c.clamp_max_mm if c is not None else None,
        measured=c is not None and c.measured,
        framed=c is not None and c.framed,
        kept=c is not None and c.kept,
        rect=list(r) if r is not None else None,
        laid_by=list(_drawn(t, faces[c.face]).laid_by) if c is not None and t.hole is not None else [],
    )


def _starts(things: tuple[SideThing, ...], faces: dict[Face, FaceShape], geo: Geometry, walls: list[WallPart]) -> dict[str, tuple[float, float]]:
    """Where each is set out, or could begin beside those that are."""
    taken: dict[Face, list[tuple[SideThing, Rect]]] = {f: [] for f in faces}
    out: dict[str, tuple[float, float]] = {}
    lines = lines_of(walls)
    for t in things:
        if t.cut is not None and t.rect is not None:
            out[t.key] = (t.cut.u_m, t.cut.v_m)
            taken[t.cut.face].append((t, t.rect))
    for t in things:
        if t.cut is None:
            u, v = start_of(t, faces[t.face], geo, taken[t.face], lines)
            out[t.key] = (u, v)
            taken[t.face].append((t, Rect(u - t.size[0] / 2000, u + t.size[0] / 2000, v - t.size[1] / 2000, v + t.size[1] / 2000)))
    return out


def sides_part(ctx: Context, geo: Geometry, roof: RoofShape, walls: list[WallPart]) -> tuple[SidesPart, list[Finding]]:
    """The openings' part of the report, and its findings."""
    d = ctx.design
    things = side_things(d)
    faces = {f: face_of(d, geo.body, roof, f) for f in FACES}
    starts = _starts(things, faces, geo, walls)
    part = quick(
        SidesPart,
        faces=[
            quick(
                FacePart,
                id=f.id,
                name=NAMES[f.id],
                rect=list(f.rect),
                doors=[quick(BarPart, id=id, name=name, kind="door", rect=list(r), assumed=False) for id, name, r in f.doors],
                bars=[_bar(b) for b in f.bars],
                behind=_behind(f.id, geo),
                thick_mm=f.thick_mm,
                looked=f.looked,
                front_left=f.id in ("left", "rear"),
            )
            for f in faces.values()
        ],
        things=[_thing(t, faces, starts[t.key]) for t in things],
        set_out=sum(t.cut is not None for t in things),
        work=[quick(SideStep, title=a, text=x) for a, x in WORK],
        floor_work=[quick(SideStep, title=a, text=x) for a, x in FLOOR_WORK],
    )
    return part, side_findings(d, faces, things, geo, walls) if d.fit.sides.cuts else []
