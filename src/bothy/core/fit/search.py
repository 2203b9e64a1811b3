"""A search over the free corners of a body: what stands already, and the best place of the next thing (method fit.places)."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from typing import Any, NamedTuple

from bothy.core.design.document import Design
from bothy.core.design.fit import FitBay, PlaceDoc
from bothy.core.fit.bed_rules import too_near_m
from bothy.core.fit.boxes import Box, above, gap, out_of_box, out_of_hull, penetration
from bothy.core.fit.exits import before, leads_through_cab
from bothy.core.fit.geometry import Geometry, Placed, box_of, runs_of, serves, stands_in
from bothy.core.fit.net import ENGINE
from bothy.core.fit.routing import Point, square
from bothy.core.fit.rules import BEHIND_KG, BEHIND_M, HOB_SIDE_M, HOB_UP_M, STOVE_M, best_fixing
from bothy.core.fit.things import Thing, posed
from bothy.core.fit.tie_down import TIE_G
from bothy.core.fit.weight import NOSE

TOL = 0.0005
GRID_M = 0.2
AISLE_M = 0.22
NARROW_M, STEP_M = 1.5, 0.4
"""A floor that is narrower between its side boxes has its aisle at one side; how far along it two pieces must leave room for one step."""
WALKED_M = 1.4
"""A body that is lower is crawled into, or loaded from its doors: it has no aisle."""
SIT_M = 0.75
"""Height over a seat that one sits in, m (least)."""
DOOR_IN_M = 0.45
WEIGHTS = {"circuit:inverter": 30.0, "inverter": 30.0, "solar": 6.0, "driving": 6.0, "driving_in": 5.0, "shore": 4.0, "feeder": 8.0, "load": 0.6, "ac": 0.8}
"""What a metre of a connection costs against a kilogram carried a metre from its best place (own choice)."""
CEILING, WALL = 0.02, 0.01
NOISE_COST = 40.0
"""For each metre that something noisy is too near to the quieter end of a bed: less than what heat or water by the wrong neighbour costs."""
ROOM = 0.01
"""What a lining may still grow before it comes too near to something hot, m."""


def carried(t: Thing, home: bool) -> float:
    """What a thing weighs on the way out, with water full and no waste; or on the way home, the water used and the waste full."""
    return t.mass_kg + (0.0 if t.group == ("water" if home else "waste") else t.contents_kg)


class Taken(NamedTuple):
    """Something that stands already."""

    thing: Thing
    box: Box
    grown: Box
    doc: PlaceDoc


class Search:
    """The state of a search: what stands, and the best place of the next thing."""

    def __init__(self, design: Design, geo: Geometry) -> None:
        self.design, self.geo, self.body = design, geo, geo.body
        self.taken: dict[str, Taken] = {}
        for k, p in geo.placed.items():
            if "removed" not in p.thing.tags:
                self.taken[k] = Taken(p.thing, p.box, p.box.grown(p.clearance), p.doc)
        self.bays = {b.id: b for b in design.fit.bays}
        self.made: list[FitBay] = []
        self.lockers = [box_of(b) for b in design.fit.bays if b.kind == "gas_locker"]
        self.partners = self._partners()
        g = self.body.gear
        h = self.body.hull
        self.arm = 0.0
        self.rear = g.rear_x if g.rear_x is not None else h.first + 0.35 * self.body.length
        if g.kind == "trailer":
            axles = [x for x in (g.rear_x, g.second_x) if x is not None]
            self.wheels = sum(axles) / len(axles)
            self.arm = (g.coupling_x or self.wheels + 1.0) - self.wheels
            self.span = (self.wheels, self.wheels + 0.5)
            low, high = NOSE[design.region]
            whole = g.empty_front + g.empty_rear + sum(t.full_kg for t in geo.things)
            self.wanted = (low + high) / 2 * whole
            self.nose = g.empty_front + sum(t.thing.full_kg * (t.box.middle[0] - self.wheels) / self.arm for t in self.taken.values())
        else:
            self.span = (self.rear, min(h.last, g.front_x if g.front_x is not None else h.last))
        self.moments = [sum(kg * t.box.middle[1] for t in self.taken.values() if (kg := carried(t.thing, home))) for home in (False, True)]
        """What weighs to the left, kg·m: with water full and nothing wasted yet, and on the way home."""
        self.doors = [self._door_box(d) for d in self.body.doors if d.side in ("left", "right")]
        self.only_rear = not self.doors and not leads_through_cab(design, self.body)
        """Whether people come in and out by the rear alone."""
        if self.only_rear:
            self.doors = [before(self.body, d) for d in self.body.doors if d.side == "rear"]

    def _door_box(self, d: Any) -> Box:
        left, right, _ = self.body.hull.at((d.a + d.b) / 2, 0.5)
        y = (left - DOOR_IN_M, left + 0.1) if d.side == "left" else (-right - 0.1, -right + DOOR_IN_M)
        return Box(d.a, d.b, *y, d.sill, d.sill + d.height)

    def _partners(self) -> dict[str, list[tuple[str, float]]]:
        kinds = {f"circuit:{c.id}": c.kind for c in self.design.wiring.circuits}
        out: dict[str, list[tuple[str, float]]] = {}
        for r in runs_of(self.design):
            weight = WEIGHTS.get(kinds.get(r.id, ""), 1.5)
            for b in r.b:
                out.setdefault(r.a, []).append((b, weight))
                out.setdefault(b, []).append((r.a, weight))
        return out

    def at(self, key: str) -> Point | None:
        """Where a thing stands, or the engine is."""
        if key == ENGINE:
            return (self.body.hull.last + 0.9, 0.0, 0.35)
        t = self.taken.get(key)
        return t.box.middle if t else None

    # -- candidates -------------------------------------------------------------------------------------------

    def _xs(self, length: float) -> list[float]:
        h = self.body.hull
        first, last = h.first + WALL, h.last - WALL - length
        xs = {first, last}
        n = max(1, int((last - first) / GRID_M)) if last > first else 1
        xs |= {first + i * (last - first) / n for i in range(n + 1)}
        for t in self.taken.values():
            xs |= {t.box.x1 + WALL, t.box.x0 - WALL - length, t.box.x0 + WALL, t.box.x1 - WALL - length, t.grown.x1 + WALL, t.grown.x0 - WALL - length}
        for *_, b in self.body.obstacles:
            xs |= {b.x1 + WALL, b.x0 - WALL - length}
        for d in self.doors:
            xs |= {d.x1 + WALL, d.x0 - WALL - length}
        return sorted({round(x, 3) for x in xs if first - 1e-9 <= x <= last + 1e-9})

    def _zs(self, t: Thing, height: float, want: float | None) -> list[float]:
        if want is not None:
            return [want]
        zs = {0.0}
        zs |= {round(b.z1 + 0.005, 3) for *_, b in self.body.obstacles if b.z1 < 0.6}
        zs |= {round(b.box.z1 + 0.005, 3) for b in self.taken.values() if b.box.z1 + height < 0.75 and not b.thing.small and not b.thing.hollow}
        if t.clearance[4]:
            zs |= {round(z + t.clearance[4], 3) for z in tuple(zs)}
        return sorted(zs)

    def candidates(self, t: Thing, want_z: float | None, x_range: tuple[float, float] | None, sides: tuple[str, ...]) -> Iterator[tuple[Box, int]]:
        """Boxes flush to a wall with the thing's front to the aisle, or in the middle."""
        for side in sides:
            if t.hollow or "furniture" in t.tags or "seat" in t.tags:
                yaws = [0]
            else:
                yaws = [{"left": 270, "right": 90, "middle": 0}[side]]
                if len(set(t.clearance[:4])) == 1 and yaws != [0]:
                    yaws.append(0)  # it has no front: lengthwise along the wall will do
            for yaw in yaws:
                yield from self._along(t, yaw, side, want_z, x_range)

    def _along(self, t: Thing, yaw: int, side: str, want_z: float | None, x_range: tuple[float, float] | None) -> Iterator[tuple[Box, int]]:
        """Boxes flush to one wall, turned one way."""
        size, clear = posed(t, "top", yaw)
        for x in self._xs(size[0]):
            if x_range is not None and not x_range[0] - 1e-9 <= x <= x_range[1] - size[0] + 1e-9:
                continue
            for z in self._zs(t, size[2], want_z):
                r = self.body.hull.over(x, x + size[0], max(0.0, z), max(0.0, z + size[2]))
                if side == "left":
                    ys = [r.left_m - WALL - size[1] - (clear[3] if t.why in ("air", "heat") else 0.0)]
                elif side == "right":
                    ys = [-r.right_m + WALL + (clear[2] if t.why in ("air", "heat") else 0.0)]
                else:
                    ys = [-size[1] / 2]
                for *_, b in self.body.obstacles:
                    if b.x0 < x + size[0] and b.x1 > x and z < b.z1:
                        if side == "left" and b.y0 > 0:
                            ys.append(b.y0 - WALL - size[1])
                        if side == "right" and b.y1 < 0:
                            ys.append(b.y1 + WALL)
                for y in ys:
                    yield Box(x, x + size[0], y, y + size[1], z, z + size[2]), yaw

    # -- tests ------------------------------------------------------------------------------------------------

    def fits(self, t: Thing, box: Box, yaw: int, aisle: bool = True) -> bool:
        """Whether a thing may stand there: in the shell, past obstacles and doors, of the aisle, and of everything else with its clearances."""
        _, clear = posed(t, "top", yaw)
        held = box.grown([0.0 if i < 4 and t.why in ("door_swing", "service") else c for i, c in enumerate(clear)])
        if out_of_hull(held.grown((ROOM,) * 4 + (0.0, ROOM)) if t.why == "heat" else held, self.body.hull)[0] > TOL:
            return False
        grown = box.grown(clear)
        if any(penetration(grown, o) > TOL for *_, o in self.body.obstacles):
            return False
        if any(penetration(box, o) > TOL for o in self.lockers):
            return False
        if not t.small and any(penetration(box, d) > TOL for d in self.doors):
            return False
        inside = self._inside(t, box)
        if aisle and not t.small and inside is None and box.z0 < 1.6 and self._aisle(box) and self._crowds(box):
            return False
        for key, o in self.taken.items():
            if key == inside or o.thing.on_roof or o.box.x1 < grown.x0 - 0.7 or o.box.x0 > grown.x1 + 0.7:
                continue
            if t.hollow and out_of_box(o.box, box)[0] <= 0.002:
                continue  # it is built round it
            if penetration(box, o.box) > TOL:
                if not ((t.small and o.thing.hollow) or (o.thing.small and t.hollow)):
                    return False
                continue
            if not o.thing.small and not o.thing.hollow and penetration(grown, o.box) > TOL:
                return False
            if not t.small and not t.hollow and penetration(o.grown, box) > TOL:
                return False
            if o.thing.hollow and serves(box, clear, o.box):
                return False
            if (o.thing.hollow and t.why == "heat" and penetration(grown, o.box) > TOL) or (
                t.hollow and o.thing.why == "heat" and penetration(o.grown, box) > TOL
            ):
                return False
            if self._bad(t, box, o):
                return False
        return True

    def _aisle(self, box: Box) -> bool:
        """Whether the aisle matters there: not under a bed, not in the garage behind it, and not where nobody walks."""
        if self.body.height < WALKED_M:
            return False
        beds = [o.box for o in self.taken.values() if "bed" in o.thing.tags and o.box.y0 < -AISLE_M and o.box.y1 > AISLE_M]
        end = max((b.x1 for b in beds), default=self.body.hull.first + 0.15 * self.body.length)
        return box.x1 > end + TOL

    def under_bed(self, box: Box) -> bool:
        """Whether a bed is over it, lower than one sits."""
        beds = (o.box for o in self.taken.values() if "bed" in o.thing.tags)
        return any(b.z0 < box.z1 + SIT_M and penetration(box._replace(z1=b.z1), b) > TOL for b in beds)

    def _crowds(self, box: Box) -> bool:
        """Whether it leaves no aisle: along the middle, or in a body with a narrow floor beside it, past all that stands opposite within a step."""
        if box.y0 >= AISLE_M or box.y1 <= -AISLE_M:
            return False
        floor = self.body.hull.over(box.x0, box.x1, 0.0, 0.3)
        if floor.left_m + floor.right_m > NARROW_M:
            return True
        left, right = floor.left_m, -floor.right_m
        for o in self.taken.values():
            if o.box.x0 < box.x1 + STEP_M and o.box.x1 > box.x0 - STEP_M and o.box.z0 < 1.0 and not o.thing.small and not o.thing.on_roof and o.box != box:
                if o.box.middle[1] > box.middle[1]:
                    left = min(left, o.box.y0)
                else:
                    right = max(right, o.box.y1)
        return max(left - box.y1, box.y0 - right) < 2 * AISLE_M

    def _inside(self, t: Thing, box: Box) -> str | None:
        if t.hollow:
            return None
        return next((k for k, o in self.taken.items() if o.thing.hollow and stands_in(box, o.box, 0.001)), None)

    def _bad(self, t: Thing, box: Box, o: Taken) -> bool:
        """Neighbours that the rules forbid."""
        a, b = t.tags, o.thing.tags
        for one, first, two, second in ((a, box, b, o.box), (b, o.box, a, box)):
            if "water" in one and {"electrics", "battery"} & two and above(first, second):
                return True
            if "battery" in one and "heat" in two and gap(first, second) < 0.30:
                return True
            if {"hob", "stove"} & one and "flammable" in two:
                side, up = (STOVE_M, STOVE_M) if "stove" in one else (HOB_SIDE_M, HOB_UP_M)
                if penetration(first.grown((side, side, side, side, 0.0, up)), second) > 0:
                    return True
            if "outlet" in one and {"sink", "hob"} & two and gap(first, second) < 0.32:
                return True
        return False

    def _with(self, t: Thing, y: float) -> list[float]:
        """The moments with a thing at ``y`` more."""
        return [m + carried(t, home) * y for m, home in zip(self.moments, (False, True), strict=True)]

    # -- price ------------------------------------------------------------------------------------------------

    def price(self, t: Thing, box: Box, target: Callable[[Box], float]) -> float:
        """What a place costs: load away from its best span, height, imbalance, connections, and what the kind of thing wants."""
        x, y, z = box.middle
        kg = max(0.3, t.full_kg)
        off = max(0.0, self.span[0] - x, x - self.span[1])
        cost = kg * (0.35 * off + 0.25 * z)
        if self.body.gear.kind == "axles" and kg >= BEHIND_KG and "furniture" not in t.tags and x < self.rear - BEHIND_M:
            cost += 300.0  # it would lift the front axle
        if self.arm:
            now, then = self.nose - self.wanted, self.nose + kg * (x - self.wheels) / self.arm - self.wanted
            cost += 1.5 * (abs(then) - abs(now)) if abs(then) > 8 else 0.0
        if "noisy" in t.tags:
            noisy = [o.box for o in self.taken.values() if "noisy" in o.thing.tags]
            cost += NOISE_COST * sum(too_near_m(o.box, noisy, box) for o in self.taken.values() if "bed" in o.thing.tags)
        cost += 0.125 * (sum(abs(m) for m in self._with(t, y)) - sum(abs(m) for m in self.moments))
        for other, weight in self.partners.get(t.key, ()):
            p = self.at(other)
            if p is not None:
                cost += weight * square((x, y, z), p)
        return cost + target(box)

    def best(
        self,
        t: Thing,
        want_z: float | None,
        target: Callable[[Box], float],
        x_range: tuple[float, float] | None = None,
        sides: tuple[str, ...] = ("left", "right"),
        aisle: bool = True,
    ) -> tuple[Box, int] | None:
        """The cheapest place that fits."""
        return next((c for c in self._by_price(t, want_z, target, x_range, sides) if self.fits(t, *c, aisle)), None)

    def _by_price(
        self, t: Thing, want_z: float | None, target: Callable[[Box], float], x_range: tuple[float, float] | None, sides: tuple[str, ...]
    ) -> list[tuple[Box, int]]:
        """The candidates, the cheapest first, whether they fit or not."""
        priced = ((round(self.price(t, box, target), 6), i, box, yaw) for i, (box, yaw) in enumerate(self.candidates(t, want_z, x_range, sides)))
        return [(box, yaw) for _, _, box, yaw in sorted(priced, key=lambda c: c[:2])]

    def cheapest(self, t: Thing, want_z: float | None, many: int, apart_m: float = 0.4) -> list[tuple[Box, int]]:
        """The cheapest places that fit, ``apart_m`` from each other or more along the same wall."""
        out: list[tuple[Box, int]] = []
        for box, yaw in self._by_price(t, want_z, lambda b: 0.0, None, ("left", "right")):
            near = any(abs(box.middle[0] - b.middle[0]) < apart_m and box.middle[1] * b.middle[1] > 0 for b, _ in out)
            if not near and self.fits(t, box, yaw):
                out.append((box, yaw))
                if len(out) == many:
                    break
        return out

    @contextmanager
    def standing(self, t: Thing, box: Box, yaw: int) -> Iterator[None]:
        """With a thing there for a moment."""
        moments = self.moments
        self.moments = self._with(t, box.middle[1])
        self.taken[t.key] = Taken(t, box, box.grown(posed(t, "top", yaw)[1]), PlaceDoc(of=t.key, x_m=box.x0, y_m=box.y0, z_m=box.z0))
        try:
            yield
        finally:
            del self.taken[t.key]
            self.moments = moments

    def put(self, t: Thing, box: Box, yaw: int, bay: str | None = None) -> PlaceDoc:
        """Stand a thing there."""
        x, y, z = (round(v, 3) for v in (box.x0, box.y0, box.z0))
        _, clear = posed(t, "top", yaw)
        inside = self._inside(t, box)
        fixing: str | None = None
        count: int | None = None
        if t.full_kg >= 3 and not t.on_roof and not {"seat", "loose", "gas", "tank"} & t.tags:
            doc = PlaceDoc(of=t.key, x_m=x, y_m=y, z_m=z)
            fixing, count = best_fixing(Placed(t, doc, box, clear, None, ""), TIE_G[self.design.fit.school])
        doc = PlaceDoc.model_validate(
            {
                "of": t.key,
                "bay": bay,
                "x_m": x,
                "y_m": y,
                "z_m": z,
                "yaw_deg": yaw,
                "fixing": fixing,
                "fixing_count": count,
                "hatch": bool(inside) and bool({"reach", "hatch"} & t.tags),
                "by": "proposal",
            }
        )
        if "removed" in t.tags:
            return doc
        if not t.on_roof:
            self.moments = self._with(t, box.middle[1])
        if self.arm:
            self.nose += t.full_kg * (box.middle[0] - self.wheels) / self.arm
        self.taken[t.key] = Taken(t, box, box.grown(clear), doc)
        return doc

    def bay(self, id: str, name: str, kind: str, box: Box, **more: Any) -> str:
        """A bay for what stands outside the living space, made once."""
        if id not in self.bays:
            made = FitBay.model_validate(
                {
                    "id": id,
                    "name": name,
                    "kind": kind,
                    **dict(zip(("x0_m", "x1_m", "y0_m", "y1_m", "z0_m", "z1_m"), (round(v, 3) for v in box), strict=True)),
                    **more,
                }
            )
            self.bays[id] = made
            self.made.append(made)
            if kind == "gas_locker":
                self.lockers.append(box)
        return id
