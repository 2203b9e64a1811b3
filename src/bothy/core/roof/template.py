"""A template to lay on the metal: the line to cut, centre lines, ribs, pilot holes and what it is measured from, in mm (method roof.cut-out)."""

from __future__ import annotations

from math import cos, pi, sin
from typing import Literal, NamedTuple

from bothy.core.contract import BadInput
from bothy.core.roof.pack import Rect
from bothy.core.roof.plan import Cut, RoofShape, RoofThing
from bothy.core.words.says import roof_says as says

Layer = Literal["CUT", "CENTRE", "RIB", "PILOT", "BAR", "TEXT"]
BEYOND_MM, BAR_MM, PILOT_MM, PAD_MM = 20.0, 100.0, 3.0, 60.0
ARC_STEPS = 24


class Stroke(NamedTuple):
    """A line of the template, mm: x to the front, y to the left of the middle of the cut; closed or not."""

    layer: Layer
    points: tuple[tuple[float, float], ...]
    closed: bool = False


class Word(NamedTuple):
    """A text at a point, mm."""

    x: float
    y: float
    text: str


class Template(NamedTuple):
    """All of it: strokes and words about the middle of the cut, its extent in mm, the numbers that it is laid by, and those as sentences."""

    name: str
    strokes: tuple[Stroke, ...]
    words: tuple[Word, ...]
    half_x: float
    half_y: float
    to_datum_mm: float
    to_rib: tuple[str, float] | None
    mirrored: bool
    measured: bool
    laid_by: tuple[str, ...]


class Sheet(NamedTuple):
    """The metal that a template is laid on: lines across it (ribs, pillars: id and both edges) and along it (rails), m; the line that heights or sides are
    measured from, as a word and in a sentence; how it is looked at, plain and mirrored; whether the front is on the left as it is drawn plainly;
    ``from_end``: what its middle is measured from along the sheet where no rib is near."""

    across: tuple[tuple[str, float, float], ...]
    along: tuple[tuple[str, float, float], ...]
    datum: str
    from_datum: tuple[str, str, str]
    seen: tuple[str, str]
    arrow: str
    flips: Literal["x", "y"]
    front_left: bool = False
    from_end: str = ""


def contour(length: float, width: float, radius: float) -> tuple[tuple[float, float], ...]:
    """The line to cut about its middle, anticlockwise from the rear right corner; arcs by chords that stray less than 0.1 mm up to 180 mm of radius."""
    a, b, r = length / 2, width / 2, min(radius, length / 2, width / 2)
    if r <= 0:
        return ((-a, -b), (a, -b), (a, b), (-a, b))
    out = []
    for cx, cy, start in ((a - r, -(b - r), -pi / 2), (a - r, b - r, 0.0), (-(a - r), b - r, pi / 2), (-(a - r), -(b - r), pi)):
        out += [(cx + r * cos(start + k * pi / 2 / ARC_STEPS), cy + r * sin(start + k * pi / 2 / ARC_STEPS)) for k in range(ARC_STEPS + 1)]
    return tuple(out)


def drawn(name: str, cut: Cut, hole: Rect, sheet: Sheet, mirrored: bool) -> Template:
    """The template of a cut on a sheet of metal. ``hole`` in m, along the sheet and away from its datum."""
    length, width = 1000 * (hole.x1 - hole.x0), 1000 * (hole.y1 - hole.y0)
    radius = min(cut.radius, length / 2, width / 2)
    mx, my = (hole.x0 + hole.x1) / 2, (hole.y0 + hole.y1) / 2
    half_x, half_y = length / 2 + PAD_MM, width / 2 + PAD_MM
    strokes = [Stroke("CUT", contour(length, width, radius), True)]
    strokes.append(Stroke("CENTRE", ((-length / 2 - BEYOND_MM, 0), (length / 2 + BEYOND_MM, 0))))
    strokes.append(Stroke("CENTRE", ((0, -width / 2 - BEYOND_MM), (0, width / 2 + BEYOND_MM))))
    words = []
    line = -1000 * my
    if abs(line) < half_y:
        strokes.append(Stroke("CENTRE", ((-half_x, line), (half_x, line))))
        words.append(Word(-half_x + 4, line + 3, sheet.datum))
    for _, *edges in sheet.across:
        for x in edges:
            at = 1000 * (x - mx)
            if abs(at) < half_x:
                strokes.append(Stroke("RIB", ((at, -half_y), (at, half_y))))
    for _, *edges in sheet.along:
        for y in edges:
            at = 1000 * (y - my)
            if abs(at) < half_y:
                strokes.append(Stroke("RIB", ((-half_x, at), (half_x, at))))
    strokes += _pilots(length, width, radius)
    tip = half_x - 6
    strokes.append(Stroke("TEXT", ((tip - 30, half_y - 12), (tip, half_y - 12), (tip - 8, half_y - 8), (tip, half_y - 12), (tip - 8, half_y - 16))))
    turned = sheet.front_left != (mirrored and sheet.flips == "x")
    words.append(Word(-tip + 34 if turned else tip - 60, half_y - 14, sheet.arrow))
    bar_y = -half_y + 10
    strokes.append(Stroke("BAR", ((-half_x + 8, bar_y), (-half_x + 8 + BAR_MM, bar_y))))
    strokes += [Stroke("BAR", ((x, bar_y - 3), (x, bar_y + 3))) for x in (-half_x + 8, -half_x + 8 + BAR_MM)]
    strokes.append(Stroke("BAR", ((half_x - 10, -half_y + 8), (half_x - 10, -half_y + 8 + BAR_MM))))
    strokes += [Stroke("BAR", ((half_x - 13, y), (half_x - 7, y))) for y in (-half_y + 8, -half_y + 8 + BAR_MM)]
    words.append(Word((half_x - 8 - BAR_MM if turned else -half_x + 10), bar_y + 4, says("measure-before-you-cut")))
    near = min(((abs(e), e, id) for id, a, b in sheet.across for e in (a - hole.x1, hole.x0 - b) if e > -0.5), default=None)
    size = f"Ø {length:.0f} mm" if 2 * radius >= max(length, width) - 0.5 else f"{length:.0f} × {width:.0f} mm, corners {radius:.0f} mm"
    clamp = says("clamps-to", clamp_min=cut.clamp_min, clamp_max_mm=cut.clamp_max) if cut.clamp_min is not None and cut.clamp_max is not None else ""
    for k, text in enumerate(x for x in (name, size, "" if cut.measured else says("nominal-size-measure-part"), clamp) if x):
        words.append(Word(-length / 2 + max(12.0, radius), width / 2 - 14 - 7 * k - min(radius, 20), text))
    if turned:
        strokes = [s._replace(points=tuple((-x, y) for x, y in s.points)) for s in strokes]
    if mirrored and sheet.flips == "y":
        strokes = [s._replace(points=tuple((x, -y) for x, y in s.points)) for s in strokes]
        words = [w._replace(y=-w.y) for w in words]
    to_rib = None if near is None else (near[2], 1000 * near[1])
    return Template(
        name,
        tuple(strokes),
        tuple(words),
        half_x,
        half_y,
        1000 * my,
        to_rib,
        mirrored,
        cut.measured,
        _laid_by(1000 * mx, 1000 * my, to_rib, sheet, mirrored, cut),
    )


def _pilots(length: float, width: float, radius: float) -> list[Stroke]:
    in_x, in_y = length / 2 - radius, width / 2 - radius
    end = length / 2 - radius / 2 if radius else length / 2 - 8
    out = []
    for x, y in sorted({(sx * in_x, sy * in_y) for sx in (-1, 1) for sy in (-1, 1)} | {(end, 0.0), (-end, 0.0)}):
        out += [Stroke("PILOT", ((x - 4, y), (x + 4, y))), Stroke("PILOT", ((x, y - 4), (x, y + 4)))]
    return out


def _laid_by(along: float, to_datum: float, to_rib: tuple[str, float] | None, sheet: Sheet, mirrored: bool, cut: Cut) -> tuple[str, ...]:
    """The numbers that a template is laid by, in words."""
    above, below, on = sheet.from_datum
    out = [says("middle-lies", on=on) if abs(to_datum) < 0.5 else says("middle-lies-2", to_datum_mm=abs(to_datum), above=above if to_datum > 0 else below)]
    if to_rib is not None:
        out.append(says("from-edge-to-edge", replace=to_rib[0].replace("-", " "), to_rib_mm=to_rib[1]))
    elif sheet.from_end:
        out.append(says("middle-lies-3", along_mm=along, from_end=sheet.from_end))
    out.append(sheet.seen[mirrored])
    if not cut.measured:
        out.append(says("nominal-size-kind-measure"))
    return tuple(out)


def template_of(t: RoofThing, roof: RoofShape, from_below: bool = False) -> Template:
    """The template of a thing's cut-out, seen from above or mirrored as it is laid against the ceiling. Raises :class:`BadInput` when nothing is cut."""
    c, hole = t.cut, t.hole
    if c is None or t.spot is None:
        raise BadInput("of", says("has-no-cut-out", t_name=t.name))
    if hole is None:
        raise BadInput("of", says("there-already-nothing-cut", t_name=t.name))
    line = says("centre-line-roof")
    sheet = Sheet(
        tuple((r.id, r.x0, r.x1) for r in roof.ribs),
        (),
        says("centre-line-roof-2"),
        (says("to-left", line=line), says("to-right", line=line), says("on-centre-line-roof")),
        (says("seen-from-above-lay"), says("seen-from-below-mirrored")),
        says("to-front"),
        "y",
    )
    return drawn(t.name, c, hole, sheet, from_below)


WORK: tuple[tuple[str, str], ...] = (
    (says("look-below"), says("lining-off-look-and")),
    (says("mark-from-inside"), says("where-bows-and-ribs")),
    (says("measure-again-outside"), says("from-pilot-hole-to")),
    (says("four-corners"), says("drill-corners-to-their")),
    (says("saw"), says("masked-both-sides-fine")),
    (says("deburr"), says("file-both-sides-sweep")),
    (says("paint-edge"), says("rust-paint-two-coats")),
    (says("bead-and-fit"), says("prime-bead-under-flange")),
    (says("water"), says("when-has-cured-ten")),
)
"""The order of the work at each hole, cautions first."""
