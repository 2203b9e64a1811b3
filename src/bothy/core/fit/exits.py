"""Whether people get out: a door that furniture leaves free, or a way through the cab (method fit.door)."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.context import Context
from bothy.core.design.document import Design
from bothy.core.finding import Finding, finding
from bothy.core.fit.body import BodyShape, Door
from bothy.core.fit.boxes import Box, penetration
from bothy.core.fit.geometry import Geometry
from bothy.core.words.says import fit_says as says

LEAST_M, DEEP_M = 0.40, 0.40
"""Width that a person gets through in haste, and how far inside a door it must be free (own choice, conservative)."""
LOW_M, HIGH_M = 0.45, 1.2
"""What is lower is climbed over, what begins higher is ducked under, over the sill of the door."""
THROUGH_CAB = ("open", "curtain")


def before(body: BodyShape, door: Door) -> Box:
    """The room inside a door of a side wall or of the rear."""
    half, first = body.half, body.hull.first
    z0, z1 = door.sill + LOW_M, door.sill + HIGH_M
    if door.side == "rear":
        return Box(first, first + DEEP_M, door.a, door.b, z0, z1)
    y0, y1 = (half - DEEP_M, half) if door.side == "left" else (-half, -half + DEEP_M)
    return Box(door.a, door.b, y0, y1, z0, z1)


def leads_through_cab(design: Design, body: BodyShape) -> bool:
    """Whether people get out through the cab."""
    return (design.warmth.cab or ("open" if body.cab and design.vehicle.preset != "truck_body" else "none")) in THROUGH_CAB


def blocking(geo: Geometry, door: Door) -> list[str] | None:
    """Names of what leaves no way through a door while the vehicle stands open; None where one is free."""
    room = before(geo.body, door)
    along = 2 if door.side == "rear" else 0
    spans, names = [], []
    for p in geo.placed.values():
        if p.in_room and not p.thing.small and p.inside not in geo.placed and penetration(p.open_box, room) > 0:
            spans.append((max(p.open_box[along], room[along]), min(p.open_box[along + 1], room[along + 1])))
            names.append(p.thing.name)
    at, widest = room[along], 0.0
    for lo, hi in sorted(spans):
        widest, at = max(widest, lo - at), max(at, hi)
    widest = max(widest, room[along + 1] - at)
    return names if names and widest < min(LEAST_M, door.width) - 1e-9 else None


def exit_findings(ctx: Context, geo: Geometry) -> Iterator[Finding]:
    """A danger where every door is furnished shut and no way leads through a cab."""
    if not geo.body.doors or leads_through_cab(ctx.design, geo.body):
        return
    shut: list[tuple[Door, list[str]]] = []
    for door in geo.body.doors:
        names = blocking(geo, door) if door.side in ("left", "right", "rear") else None
        if names is None:
            return
        shut.append((door, names))
    doors = "; ".join(f"{d.name}: “{'”, “'.join(names[:3])}”" for d, names in shut)
    yield finding("fit-exit-blocked", "fit", says("doors"), says("no-way-out", doors=doors, least_mm=1000 * LEAST_M))
