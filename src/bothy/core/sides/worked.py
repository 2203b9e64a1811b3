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

WORK: tuple[tuple[str, str], ...] = (
    ("Look inside", "Lining off, look and feel behind the skin: pillars, looms, airbags, belt anchorages, the window channel of a door. Battery disconnected."),
    ("Mark from inside", "Where the pillars show; drill one 3 mm pilot hole from inside at the middle."),
    ("Measure again outside", "From the pilot hole to the pillar and down to the sill: both numbers of the template must agree. If not, stop."),
    ("Tape and corners", "Mask the paint on both sides. Drill the corners to their radius; a hole saw for round ones, half from each side."),
    ("Saw", "A fine blade, slowly, a second person holds the sheet: a cut-out that falls tears the last corner."),
    ("Deburr", "File both sides, sweep every swarf off at once: it rusts overnight."),
    ("Paint the edge", "Rust paint, two coats, dried: the cut edge is bare metal."),
    ("Frame", "A frame as thick as the lining gives the clamp something to hold; nothing of wood touches a flue."),
    (
        "Bead and fit",
        "Bead under the flange, fit, clamp evenly crosswise, second bead along the top and the sides; the bottom stays open so that water runs out.",
    ),
    ("Water", "When it has cured: ten minutes of hose from low to high, one person inside."),
)
FLOOR_WORK: tuple[tuple[str, str], ...] = (
    (
        "Look from below",
        "On ramps or stands, never on a jack alone. Find rails, brake and fuel lines, looms, tank, exhaust, and mark them. Battery disconnected.",
    ),
    ("Measure twice", "From two edges that show above and below (a rail, a seat bolt), both ways. A hand held from below shows the place."),
    ("Pilot hole", "One 3 mm hole with a stop on the drill, a person watching below. If it isn’t where both numbers say, stop."),
    ("Cut", "Hole saw from above; goggles below. Sweep the swarf off at once."),
    ("Paint the edge", "Rust paint, two coats, then wax: the road sprays it."),
    ("Sleeve and seal", "A flue through its metal plate, 30 mm clear of anything that burns; a grommet for each pipe and cable; sealed above and below."),
    ("Drop vents stay open", "A vent for gas is never sealed, meshed so finely that it clogs, nor covered by a mat. It ends away from the exhaust."),
)
"""The order of the work, cautions first."""


def sheet_of(face: FaceShape) -> Sheet:
    """A face as the metal that a template is laid on."""
    upright = [(b.name.lower(), b.rect.x0, b.rect.x1) for b in face.bars if b.rect.y1 - b.rect.y0 >= b.rect.x1 - b.rect.x0]
    flat = [(b.name.lower(), b.rect.y0, b.rect.y1) for b in face.bars if b.rect.y1 - b.rect.y0 < b.rect.x1 - b.rect.x0]
    if face.id == "floor":
        line = "of the centre line"
        return Sheet(
            tuple(upright),
            tuple(flat),
            "centre line of the vehicle",
            (f"to the left {line}", f"to the right {line}", "on the centre line"),
            ("Seen from above: lay it on the floor.", "Seen from below, mirrored: hold it against the floor from under the vehicle."),
            "to the front",
            "y",
            from_end="ahead of the rear-most inside face",
        )
    rear = face.id == "rear"
    return Sheet(
        tuple(upright),
        tuple(flat),
        "finished floor",
        ("above the finished floor", "below the finished floor", "at the height of the finished floor"),
        ("Seen from outside.", "Seen from inside, mirrored."),
        "to the left side" if rear else "to the front",
        "x",
        front_left=face.id != "right",
        from_end="left of the centre line" if rear else "ahead of the rear-most inside face",
    )


def side_template(design: Design, of: str, mirrored: bool = False) -> Template:
    """The template of an opening, seen from outside (of the floor: from above) or mirrored. Raises :class:`BadInput` when nothing is cut."""
    t = next((x for x in side_things(design) if x.key == of), None)
    if t is None:
        raise BadInput("of", f"nothing that goes through a wall or the floor is called “{of}”; choose one of the list")
    if t.cut is None:
        raise BadInput("of", f"“{t.name}” isn’t set out yet: say where its middle is")
    hole = t.hole
    if hole is None:
        raise BadInput("of", f"“{t.name}” is there already: nothing is cut for it")
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
