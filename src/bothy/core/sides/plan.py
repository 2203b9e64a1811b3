"""Faces of a vehicle with what lies in them, and everything that goes through them (method roof.side-cut)."""

from __future__ import annotations

from math import pi, sqrt
from typing import NamedTuple

from bothy.core.design.document import Design
from bothy.core.design.sides import Face, SideCut
from bothy.core.fit.body import BodyShape
from bothy.core.fit.presets import KERB
from bothy.core.roof.pack import Rect
from bothy.core.roof.plan import ROOFS, RoofShape
from bothy.core.words.says import sides_says as says

FACES: tuple[Face, ...] = ("left", "right", "rear", "floor")
NAMES: dict[Face, str] = {"left": says("left-side"), "right": says("right-side"), "rear": says("rear"), "floor": says("floor")}
PILLAR_M = 0.06
"""How wide a pillar is taken to be under a rib of the roof (typical)."""


class Bar(NamedTuple):
    """What lies in a face, m; ``assumed``: nobody looked."""

    id: str
    name: str
    kind: str
    rect: Rect
    assumed: bool


class FaceShape(NamedTuple):
    """A face: its rectangle in m (sides: along and over the floor; rear: left of the centre line and over the floor; floor: along and left of the centre
    line), its doors, what lies in it, and its thickness with the lining in mm."""

    id: Face
    name: str
    rect: Rect
    doors: tuple[tuple[str, str, Rect], ...]
    bars: tuple[Bar, ...]
    thick_mm: float
    looked: bool


class SideThing(NamedTuple):
    """An opening: usual size in mm of its kind and the face it is usually on; ``cut`` None: not set out yet."""

    key: str
    name: str
    kind: str
    face: Face
    size: tuple[float, float, float]
    why: str
    cut: SideCut | None = None

    @property
    def hole(self) -> Rect | None:
        """Where the skin is cut, m; None: not set out, or there already."""
        c = self.cut
        return None if c is None or c.kept else _around(c)

    @property
    def rect(self) -> Rect | None:
        """Where it is, cut anew or there already, m."""
        return None if self.cut is None else _around(self.cut)


def _around(c: SideCut) -> Rect:
    return Rect(c.u_m - c.length_mm / 2000, c.u_m + c.length_mm / 2000, c.v_m - c.height_mm / 2000, c.v_m + c.height_mm / 2000)


def kerb_side(region: str) -> Face:
    """The side of the footway: no flue and no filler there if it can be helped."""
    return "left" if KERB[region] == "left" else "right"


def face_of(design: Design, body: BodyShape, roof: RoofShape, face: Face) -> FaceShape:
    """A face of the body."""
    doc = design.fit.sides
    lo, hi, half, high = body.hull.first, body.hull.last, body.half, body.height
    rect = Rect(-half, half, 0.0, high) if face == "rear" else Rect(lo, hi, -half, half) if face == "floor" else Rect(lo, hi, 0.0, high)
    doors = tuple((d.id, d.name, Rect(min(d.a, d.b), max(d.a, d.b), d.sill, d.sill + d.height)) for d in body.doors if d.side == face)
    if doc.members is not None:
        bars = tuple(Bar(m.id, m.name, m.kind, Rect(m.u0_m, m.u1_m, m.v0_m, m.v1_m), False) for m in doc.members if m.face == face)
    else:
        bars = tuple(b for b in _usual(design, roof, face, rect) if not any(d.x0 < b.rect.x1 and b.rect.x0 < d.x1 for _, _, d in doors))
    skin = ROOFS[design.vehicle.preset].skin_mm
    looked = doc.floor_looked if face == "floor" else doc.members is not None
    return FaceShape(face, NAMES[face], rect, doors, bars, skin + 1000 * body.linings[face], looked)


def _usual(design: Design, roof: RoofShape, face: Face, rect: Rect) -> tuple[Bar, ...]:
    """Pillars under the ribs of the roof, where its sides are of ribbed sheet; a face that nobody looked at has no other members."""
    if face not in ("left", "right") or ROOFS[design.vehicle.preset].pitch is None:
        return ()
    out = []
    for r in roof.ribs:
        mid = (r.x0 + r.x1) / 2
        if rect.x0 < mid < rect.x1:
            out.append(
                Bar(
                    r.id.replace("rib", "pillar"),
                    r.id.replace("rib-", "pillar "),
                    "pillar",
                    Rect(mid - PILLAR_M / 2, mid + PILLAR_M / 2, rect.y0, rect.y1),
                    True,
                )
            )
    return tuple(out)


def _round(area_mm2: float, least: float, most: float) -> tuple[float, float, float]:
    d = round(min(most, max(least, 2 * sqrt(area_mm2 / pi))))
    return (d, d, d / 2)


def _windows(design: Design) -> list[SideThing]:
    out = []
    for o in design.warmth.openings:
        if o.on not in ("left", "right", "rear") or o.kind == "door":
            continue
        face: Face = o.on
        size = (1000 * o.width_m, 1000 * o.height_m, min(60.0, 400 * min(o.width_m, o.height_m)))
        for i in range(min(o.count, 12)):
            many = o.count > 1
            name = f"{o.name} {i + 1}" if many else o.name
            out.append(
                SideThing(
                    f"window:{o.id}-{i + 1}" if many else f"window:{o.id}",
                    name,
                    "window" if o.kind != "vent" else "vent",
                    face,
                    size,
                    says("from-heat-and-air"),
                )
            )
    return out


def _airs(design: Design, off: Face) -> list[SideThing]:
    out = []
    for v in design.warmth.vents:
        if v.kind in ("wall_fan", "fixed_wall_high"):
            out.append(SideThing(f"air:{v.id}", v.name, "vent", off, _round(v.free_area_mm2, 60, 250), says("from-heat-and-air")))
        elif v.kind == "fixed_low":
            out.append(SideThing(f"air:{v.id}", v.name, "vent", "floor", _round(v.free_area_mm2, 40, 150), says("from-heat-and-air")))
    for h in design.warmth.heaters:
        if h.kind not in ("air", "combined", "coolant") or h.place != "inside":
            continue
        gas = h.burns_gas
        why = says("burner-draws-air-from")
        if gas:
            out.append(SideThing(f"flue:{h.id}", says("exhaust-and-air", h_name=h.name), "flue", off, (83, 83, 41.5), why))
        else:
            out.append(SideThing(f"flue:{h.id}", says("exhaust", h_name=h.name), "flue", "floor", (40, 40, 20), why))
            out.append(SideThing(f"intake:{h.id}", says("air", h_name=h.name), "intake", "floor", (30, 30, 15), why))
            out.append(SideThing(f"fuel:{h.id}", says("fuel", h_name=h.name), "cable", "floor", (12, 12, 6), says("fuel-comes-from-tank")))
    return out


def _wets(design: Design, off: Face) -> list[SideThing]:
    out = []
    for t in design.water.tanks:
        if t.holds in ("fresh", "drinking") and t.fill_by != "jug":
            out.append(SideThing(f"filler:{t.id}", says("filler", t_name=t.name), "filler", off, (76, 76, 38), says("filled-from-outside")))
        if t.holds in ("grey", "black") and t.place == "inside":
            out.append(SideThing(f"drain:{t.id}", says("drain", t_name=t.name), "drain", "floor", (45, 45, 22.5), says("empties-downwards")))
    return out


def side_things(design: Design) -> tuple[SideThing, ...]:
    """Everything that goes through sides, rear and floor, in the order of the stages, each with where it is set out if it is."""
    off: Face = "right" if kerb_side(design.region) == "left" else "left"
    out = [*_windows(design), *_airs(design, off), *_wets(design, off)]
    if design.power.shore is not None:
        out.append(SideThing("inlet:shore", says("inlet-hook-up"), "inlet", off, (95, 85, 8), says("lead-plugged-in-from")))
    if design.gas.locker is not None:
        for v in design.gas.locker.vents:
            size = (v.diameter_mm, v.diameter_mm, v.diameter_mm / 2) if v.diameter_mm else (v.width_mm or 60.0, v.height_mm or 60.0, 0.0)
            for i in range(min(v.count, 6) if v.position == "low" else 0):
                key, name = (f"drop:{v.id}-{i + 1}", f"{v.name} {i + 1}") if v.count > 1 else (f"drop:{v.id}", v.name)
                out.append(SideThing(key, says("gas-locker", name=name), "drop_vent", "floor", size, says("gas-falls-leaves-through")))
    out += [
        SideThing(f"hole:{o.id}", o.name, o.kind, "floor" if o.kind in ("drop_vent", "drain") else off, OWN.get(o.kind, (50, 50, 25)), "")
        for o in design.fit.sides.own
    ]
    cuts = {c.of: c for c in design.fit.sides.cuts}
    return tuple(t._replace(cut=cuts.get(t.key)) for t in out)


OWN: dict[str, tuple[float, float, float]] = {
    "window": (700, 300, 50),
    "vent": (100, 100, 50),
    "inlet": (95, 85, 8),
    "filler": (76, 76, 38),
    "flue": (83, 83, 41.5),
    "intake": (30, 30, 15),
    "drain": (45, 45, 22.5),
    "drop_vent": (60, 60, 30),
    "cable": (25, 25, 12.5),
}
"""Nominal cuts by kind in mm (typical): cut to the size of the part in hand, not to this."""
