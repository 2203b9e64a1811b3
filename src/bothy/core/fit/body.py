"""The body of a design: measured, or a kind of vehicle's profile scaled to what was typed less its linings (method fit.shell)."""

from __future__ import annotations

from typing import NamedTuple

from bothy.core.design.document import Design
from bothy.core.design.fit import DoorDoc, Running
from bothy.core.fit.boxes import Box
from bothy.core.fit.hull import Hull
from bothy.core.fit.presets import BODIES, KERB, BodyPreset
from bothy.core.vehicles import PRESETS
from bothy.core.warmth.presets import usual
from bothy.core.words.says import fit_says as says


class Door(NamedTuple):
    """A door as it is reckoned with: wall, where it is (x along a side wall, y across the rear), clear opening and sill, m."""

    id: str
    name: str
    side: str
    a: float
    b: float
    width: float
    height: float
    sill: float


class Gear(NamedTuple):
    """Axles, ground and limits, m and kg; ``front_x`` None: a trailer or a boat. ``assumed`` names what nobody has said."""

    rear_x: float | None
    front_x: float | None
    second_x: float | None
    track: float
    floor: float
    empty_front: float
    empty_rear: float
    gross: float | None
    front: float | None
    rear: float | None
    roof: float | None
    coupling_x: float | None
    nose_limit: float | None
    empty_z: float
    assumed: tuple[str, ...]

    @property
    def kind(self) -> str:
        """How it stands on its wheels: axles, a trailer on its ball, or none."""
        return "trailer" if self.coupling_x is not None else "axles" if self.front_x is not None and self.rear_x is not None else "boat"


class BodyShape(NamedTuple):
    """Everything that can't be moved: finished inside surface, bare sizes and linings, obstacles, doors, gear."""

    hull: Hull
    bare: tuple[float, float, float]
    linings: dict[str, float]
    measured: bool
    obstacles: tuple[tuple[str, str, str, Box], ...]
    """id, name, kind, box."""
    doors: tuple[Door, ...]
    gear: Gear
    cab: bool

    @property
    def length(self) -> float:
        """Inside length in m."""
        return self.hull.last - self.hull.first

    def begins(self, length: float, x_m: float | None) -> float:
        """Where something of a length begins in m: as typed, else so that it lies in the middle."""
        return (self.hull.first + self.hull.last - length) / 2 if x_m is None else x_m

    @property
    def height(self) -> float:
        """Greatest ceiling height in m."""
        return max(s.height_m for s in self.hull.stations)

    @property
    def half(self) -> float:
        """Greatest half-width in m."""
        return max(max(*s.left_m, *s.right_m) for s in self.hull.stations)


def linings_of(design: Design) -> dict[str, float]:
    """Thickness in m of what lines each surface inside its skin: typed build-ups, else what is usual of the vehicle."""
    builds = {b.id: b for b in design.warmth.build_ups}
    said = {s.id: s.build_up for s in design.warmth.surfaces if s.build_up is not None}
    out = {}
    for side in ("floor", "roof", "left", "right", "rear"):
        b = builds[said[side]] if side in said else usual(design.vehicle.preset, "floor" if side == "floor" else "wall")
        out[side] = sum(x.thickness_mm for x in b.layers) / 1000
    return out


def body_of(design: Design) -> BodyShape:
    """The body of a design."""
    v, doc = design.vehicle, design.fit.body
    p, inside = BODIES[v.preset], PRESETS[v.preset].inside
    bare = (v.inside_length_m or inside[0], v.inside_width_m or inside[1], v.inside_height_m or inside[2])
    linings = linings_of(design)
    sx, sy, sz = _scale(p, bare, linings)
    if doc.stations:
        hull = Hull(doc.levels_z_m, [(s.x_m, s.left_m, s.right_m, s.height_m) for s in doc.stations])
    else:
        hull = Hull([z * sz for z in p.levels], [(x * sx, [h * sy for h in halves], [h * sy for h in halves], height * sz) for x, halves, height in p.stations])
    obstacles: tuple[tuple[str, str, str, Box], ...]
    if doc.obstacles is not None:
        obstacles = tuple((o.id, o.name, o.kind, Box(o.x0_m, o.x1_m, o.y0_m, o.y1_m, o.z0_m, o.z1_m)) for o in doc.obstacles)
    else:
        obstacles = _arches(p, hull, sx, sy)
    doors = tuple(_typed(d, hull) for d in doc.doors) if doc.doors is not None else _doors(p, design.region, hull, (sx, sy, sz))
    return BodyShape(hull, bare, linings, bool(doc.stations), obstacles, doors, _gear(design, p, doc.running, sx), p.cab)


def _scale(p: BodyPreset, bare: tuple[float, float, float], linings: dict[str, float]) -> tuple[float, float, float]:
    length, width, height = p.stations[-1][0], 2 * max(max(h) for _, h, _ in p.stations), max(h for *_, h in p.stations)
    finished = (bare[0] - linings["rear"], bare[1] - linings["left"] - linings["right"], bare[2] - linings["floor"] - linings["roof"])
    return max(0.2, finished[0] / length), max(0.2, finished[1] / width), max(0.2, finished[2] / height)


def _arches(p: BodyPreset, hull: Hull, sx: float, sy: float) -> tuple[tuple[str, str, str, Box], ...]:
    if p.arch is None:
        return ()
    x0, x1, y, z = p.arch
    out = []
    for side, sign in (("left", 1), ("right", -1)):
        r = hull.over(x0 * sx, x1 * sx, 0.0, z)
        wall = max(r.left_m + r.taper_left_m, r.right_m + r.taper_right_m)
        lo, hi = sorted((sign * y * sy, sign * wall))
        out.append((f"arch-{side}", says("wheel-arch", side=side.capitalize()), "wheel_arch", Box(x0 * sx, x1 * sx, lo, hi, 0.0, z)))
    return tuple(out)


def _doors(p: BodyPreset, region: str, hull: Hull, s: tuple[float, float, float]) -> tuple[Door, ...]:
    out = []
    for d in p.doors:
        w, h = d.clear[0] * (s[0] if d.x else s[1]), min(d.clear[1] * s[2], max(x.height_m for x in hull.stations))
        if d.x is None:
            out.append(Door(d.id, d.name, "rear", -w / 2, w / 2, w, h, 0.0))
        else:
            out.append(Door(d.id, d.name, KERB[region], d.x[0] * s[0], d.x[1] * s[0], w, h, 0.0))
    return tuple(out)


def _typed(d: DoorDoc, hull: Hull) -> Door:
    if d.x0_m is not None and d.x1_m is not None:
        a, b = d.x0_m, d.x1_m
    elif d.side == "roof":
        a, b = hull.last / 2 - d.clear_width_m / 2, hull.last / 2 + d.clear_width_m / 2
    else:
        a, b = -d.clear_width_m / 2, d.clear_width_m / 2
    return Door(d.id, d.name, d.side, a, b, d.clear_width_m, d.clear_height_m, d.sill_z_m)


def _least(*values: float | None) -> float | None:
    known = [v for v in values if v is not None]
    return min(known) if known else None


def _gear(design: Design, p: BodyPreset, r: Running, sx: float) -> Gear:
    g, assumed = p.running, []

    def take(name: str, typed: float | None, usual: float | None) -> float | None:
        if typed is None and usual is not None:
            assumed.append(name)
        return usual if typed is None else typed

    def along(x: float | None) -> float | None:
        return None if x is None else x * sx

    trailer, boat = g.coupling_x is not None, g.rear_x is None
    rear = take(says("rear-axle"), r.rear_axle_x_m, along(g.rear_x))
    front = None if trailer or boat else take(says("front-axle"), r.front_axle_x_m, along(g.front_x))
    empty = (
        take(says("empty-front-axle"), r.nose_empty_kg if trailer else r.empty_front_kg, g.empty[0]) or 0.0,
        take(says("empty-rear-axle"), r.empty_rear_kg, g.empty[1]) or 0.0,
    )
    gross = r.gross_limit_kg
    if gross is None and not boat:
        if design.vehicle.payload_kg is not None:
            gross = sum(empty) + design.vehicle.payload_kg
        else:
            gross = take(says("gross-limit"), None, g.limits[0] if g.limits else None)
    front_limit = None if trailer or boat else _least(take(says("front-axle-limit"), r.front_limit_kg, g.limits[1] if g.limits else None), r.tyre_front_kg)
    rear_limit = None if boat else _least(take(says("rear-axle-limit"), r.rear_limit_kg, g.limits[2] if g.limits else None), r.tyre_rear_kg)
    return Gear(
        rear_x=rear,
        front_x=front,
        second_x=take(says("second-axle"), r.second_axle_x_m, along(g.second_x)),
        track=take("track", r.track_m, g.track) or g.track,
        floor=take(says("floor-height"), r.floor_height_m, g.floor) or 0.0,
        empty_front=empty[0],
        empty_rear=empty[1],
        gross=gross,
        front=front_limit,
        rear=rear_limit,
        roof=take(says("roof-limit"), r.roof_limit_kg, g.roof_kg),
        coupling_x=take("coupling", r.coupling_x_m, along(g.coupling_x)),
        nose_limit=take(says("nose-limit"), r.nose_limit_kg, g.nose_limit) if trailer else None,
        empty_z=g.empty_z,
        assumed=tuple(assumed),
    )
