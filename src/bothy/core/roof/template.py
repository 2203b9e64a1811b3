"""A template to lay on the metal: the line to cut, centre lines, ribs, pilot holes and what it is measured from, in mm (method roof.cut-out)."""

from __future__ import annotations

from math import cos, pi, sin
from typing import Literal, NamedTuple

from bothy.core.contract import BadInput
from bothy.core.roof.plan import RoofShape, RoofThing

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
    """All of it: strokes and words about the middle of the cut, its extent in mm, and the numbers that it is laid by."""

    name: str
    strokes: tuple[Stroke, ...]
    words: tuple[Word, ...]
    half_x: float
    half_y: float
    to_centre_mm: float
    to_rib: tuple[str, float] | None
    from_below: bool
    measured: bool


def contour(length: float, width: float, radius: float) -> tuple[tuple[float, float], ...]:
    """The line to cut about its middle, anticlockwise from the rear right corner; arcs by chords that stray less than 0.1 mm up to 180 mm of radius."""
    a, b, r = length / 2, width / 2, min(radius, length / 2, width / 2)
    if r <= 0:
        return ((-a, -b), (a, -b), (a, b), (-a, b))
    out = []
    for cx, cy, start in ((a - r, -(b - r), -pi / 2), (a - r, b - r, 0.0), (-(a - r), b - r, pi / 2), (-(a - r), -(b - r), pi)):
        out += [(cx + r * cos(start + k * pi / 2 / ARC_STEPS), cy + r * sin(start + k * pi / 2 / ARC_STEPS)) for k in range(ARC_STEPS + 1)]
    return tuple(out)


def template_of(t: RoofThing, roof: RoofShape, from_below: bool = False) -> Template:
    """The template of a thing's cut-out, seen from above or mirrored as it is laid against the ceiling. Raises :class:`BadInput` when nothing is cut."""
    c, hole = t.cut, t.hole
    if c is None or t.spot is None:
        raise BadInput("of", f"“{t.name}” has no cut-out, or no spot on the roof yet")
    if hole is None:
        raise BadInput("of", f"“{t.name}” is there already: nothing is cut for it")
    length, width = 1000 * (hole.x1 - hole.x0), 1000 * (hole.y1 - hole.y0)
    radius = min(c.radius, length / 2, width / 2)
    mx, my = (hole.x0 + hole.x1) / 2, (hole.y0 + hole.y1) / 2
    half_x, half_y = length / 2 + PAD_MM, width / 2 + PAD_MM
    strokes = [Stroke("CUT", contour(length, width, radius), True)]
    strokes.append(Stroke("CENTRE", ((-length / 2 - BEYOND_MM, 0), (length / 2 + BEYOND_MM, 0))))
    strokes.append(Stroke("CENTRE", ((0, -width / 2 - BEYOND_MM), (0, width / 2 + BEYOND_MM))))
    words = []
    line = -1000 * my
    if abs(line) < half_y:
        strokes.append(Stroke("CENTRE", ((-half_x, line), (half_x, line))))
        words.append(Word(-half_x + 4, line + 3, "centre line of the roof"))
    for rib in roof.ribs:
        for x in (rib.x0, rib.x1):
            at = 1000 * (x - mx)
            if abs(at) < half_x:
                strokes.append(Stroke("RIB", ((at, -half_y), (at, half_y))))
    in_x, in_y = length / 2 - radius, width / 2 - radius
    corners = {(sx * in_x, sy * in_y) for sx in (-1, 1) for sy in (-1, 1)}
    for x, y in sorted(
        corners | {(length / 2 - radius / 2 if radius else length / 2 - 8, 0.0), (-(length / 2 - radius / 2 if radius else length / 2 - 8), 0.0)}
    ):
        strokes += [Stroke("PILOT", ((x - 4, y), (x + 4, y))), Stroke("PILOT", ((x, y - 4), (x, y + 4)))]
    tip = half_x - 6
    strokes.append(Stroke("TEXT", ((tip - 30, half_y - 12), (tip, half_y - 12), (tip - 8, half_y - 8), (tip, half_y - 12), (tip - 8, half_y - 16))))
    words.append(Word(tip - 60, half_y - 14, "to the front"))
    bar_y = -half_y + 10
    strokes.append(Stroke("BAR", ((-half_x + 8, bar_y), (-half_x + 8 + BAR_MM, bar_y))))
    strokes += [Stroke("BAR", ((x, bar_y - 3), (x, bar_y + 3))) for x in (-half_x + 8, -half_x + 8 + BAR_MM)]
    strokes.append(Stroke("BAR", ((half_x - 10, -half_y + 8), (half_x - 10, -half_y + 8 + BAR_MM))))
    strokes += [Stroke("BAR", ((half_x - 13, y), (half_x - 7, y))) for y in (-half_y + 8, -half_y + 8 + BAR_MM)]
    words.append(Word(-half_x + 10, bar_y + 4, "100 mm: measure it before you cut"))
    near = min(((abs(e), e, r.id) for r in roof.ribs for e in (r.x0 - hole.x1, hole.x0 - r.x1) if e > -0.5), default=None)
    size = f"Ø {length:.0f} mm" if 2 * radius >= max(length, width) - 0.5 else f"{length:.0f} × {width:.0f} mm, corners {radius:.0f} mm"
    clamp = f"clamps {c.clamp_min:g} to {c.clamp_max:g} mm" if c.clamp_min is not None and c.clamp_max is not None else ""
    for k, text in enumerate(x for x in (t.name, size, "" if c.measured else "nominal size: measure the part in hand first", clamp) if x):
        words.append(Word(-length / 2 + max(12.0, radius), width / 2 - 14 - 7 * k - min(radius, 20), text))
    if from_below:
        strokes = [s._replace(points=tuple((x, -y) for x, y in s.points)) for s in strokes]
        words = [w._replace(y=-w.y) for w in words]
    return Template(
        t.name, tuple(strokes), tuple(words), half_x, half_y, 1000 * my, None if near is None else (near[2], 1000 * near[1]), from_below, c.measured
    )


WORK: tuple[tuple[str, str], ...] = (
    ("Look below", "Lining off, look and feel: bows, looms, airbags. Battery disconnected."),
    ("Mark from inside", "Where bows and ribs show; drill one 3 mm pilot hole from inside at the middle."),
    ("Measure again outside", "From the pilot hole to the centre line and to the rib: both numbers of the template must agree. If not, stop."),
    ("Four corners", "Drill the corners to their radius; hole saws half from each side where both are reached."),
    ("Saw", "Masked both sides, a fine blade, a vacuum at the blade; support the cut-out before the last side."),
    ("Deburr", "File both sides, sweep every swarf off at once: it rusts overnight and spoils the bead."),
    ("Paint the edge", "Rust paint, two coats, dried: the cut edge is bare metal."),
    ("Bead and fit", "Prime, bead under the flange, fit, clamp evenly, second bead outside; smooth it off."),
    ("Water", "When it has cured: ten minutes of hose from low to high, one person inside."),
)
"""The order of the work at each hole, cautions first."""
