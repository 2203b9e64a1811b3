"""How a thing comes out again: slid and turned level through what is free between the furniture, to a door that it passes (method fit.door, fit.corner)."""

from __future__ import annotations

from functools import lru_cache
from typing import Any, NamedTuple

import numpy as np
from scipy import ndimage

from bothy.core.fit.body import BodyShape, Door
from bothy.core.fit.boxes import Box
from bothy.core.fit.hull import Hull
from bothy.core.fit.passing import Opening, door_ways

CELL = 0.05
"""Side of a cell of the plan in m."""
HANDS = 0.010
OUTSIDE, OUT_M = 1.5, 0.35
"""How much ground outside the doors is looked at, and how far out a thing's middle must get to count as out, m: from there nothing stops it."""


class WayOut(NamedTuple):
    """Whether a thing comes out: through which door in the bare shell and past what is placed, and what stands in the way."""

    door: str | None
    finished: str | None
    blocking: tuple[str, ...]
    spare_m: float | None
    """What is to spare in the opening of the door that it takes, straight."""

    @property
    def ok(self) -> bool:
        """Whether it comes out past what is placed."""
        return self.finished is not None


class Plan:
    """The floor seen from above in cells: walls and what stands there, with the ground outside the doors."""

    def __init__(self, body: BodyShape) -> None:
        h = body.hull
        self.body = body
        self._walls: dict[tuple[int, int, tuple[str, ...]], Any] = {}
        self.x0, self.y0 = h.first - OUTSIDE, -(body.half + OUTSIDE)
        self.nx, self.ny = round((body.length + 2 * OUTSIDE) / CELL), round(2 * (body.half + OUTSIDE) / CELL)
        self.xs = self.x0 + CELL * (np.arange(self.nx) + 0.5)
        self.ys = self.y0 + CELL * (np.arange(self.ny) + 0.5)
        self.clear = (self.xs[:, None] < h.first - OUT_M) | (self.xs[:, None] > h.last + OUT_M) | (np.abs(self.ys[None, :]) > body.half + OUT_M)
        """Cells well outside: what gets there is out."""

    def walls(self, z0: float, z1: float, doors: tuple[Door, ...]) -> Any:
        """Cells that a wall takes at a height, to a tenth of a metre; a door in ``doors`` leaves its clear opening free. True: taken."""
        key = (int(max(0.0, z0) * 10), -int(-z1 * 10 // 1), tuple(d.id for d in doors))
        known = self._walls.get(key)
        if known is None:
            known = self._walls[key] = self._wall(key[0] / 10, key[1] / 10, doors)
        return known

    def _wall(self, z0: float, z1: float, doors: tuple[Door, ...]) -> Any:
        h = self.body.hull
        left, right = least_half(h, np.clip(self.xs, h.first, h.last), z0, z1)
        y = self.ys[None, :]
        within = (self.xs[:, None] >= h.first) & (self.xs[:, None] <= h.last)
        inside = within & (y <= left[:, None]) & (y >= -right[:, None])
        free = inside.copy()
        reach = 0.25  # how thick a wall with its door is
        for d in doors:
            if d.side == "rear":
                free |= (self.xs[:, None] < h.first + CELL) & (self.xs[:, None] > h.first - reach) & (y > -d.width / 2) & (y < d.width / 2)
            elif d.side == "front":
                free |= (self.xs[:, None] > h.last - CELL) & (self.xs[:, None] < h.last + reach) & (y > -d.width / 2) & (y < d.width / 2)
            elif d.side in ("left", "right"):
                mid = (d.a + d.b) / 2
                along = (self.xs[:, None] > mid - d.width / 2) & (self.xs[:, None] < mid + d.width / 2)
                free |= along & (
                    (y > left[:, None] - 0.05) & (y < left[:, None] + reach)
                    if d.side == "left"
                    else (y < 0.05 - right[:, None]) & (y > -right[:, None] - reach)
                )
        outer = (self.xs[:, None] < h.first - reach + CELL) | (self.xs[:, None] > h.last + reach - CELL) | (np.abs(y) > self.body.half + reach - CELL)
        return ~(free | outer)

    def stamp(self, taken: Any, box: Box) -> None:
        """Mark the cells of a box as taken."""
        a, b = int(np.floor((box.x0 - self.x0) / CELL + 0.5)), int(np.ceil((box.x1 - self.x0) / CELL - 0.5))
        c, d = int(np.floor((box.y0 - self.y0) / CELL + 0.5)), int(np.ceil((box.y1 - self.y0) / CELL - 0.5))
        taken[max(0, a) : max(0, b), max(0, c) : max(0, d)] = True

    def cell(self, x: float, y: float) -> tuple[int, int]:
        """The cell of a point."""
        return min(self.nx - 1, max(0, int((x - self.x0) / CELL))), min(self.ny - 1, max(0, int((y - self.y0) / CELL)))


def least_half(hull: Hull, xs: Any, z0: float, z1: float) -> tuple[Any, Any]:
    """The least half-widths left and right at many places along x over a range of heights, m: straight between stations, so each level by itself."""
    at = [s.x_m for s in hull.stations]
    heights = (z0, z1, *(z for z in hull.levels if z0 < z < z1))
    left, right = [], []
    for z in heights:
        halves = [hull.at(x, z) for x in at]
        left.append(np.interp(xs, at, [h[0] for h in halves]))
        right.append(np.interp(xs, at, [h[1] for h in halves]))
    return np.minimum.reduce(left), np.minimum.reduce(right)


def free_for(taken: Any, along: float, across: float) -> Any:
    """Cells where the middle of a rectangle of that size may be."""
    nx, ny = taken.shape
    kx, ky = max(1, int(np.ceil(along / CELL - 1e-6))), max(1, int(np.ceil(across / CELL - 1e-6)))
    total = np.zeros((nx + 1, ny + 1), dtype=np.int32)
    np.cumsum(np.cumsum(taken, axis=0), axis=1, out=total[1:, 1:])
    out = np.zeros_like(taken)
    if kx >= nx or ky >= ny:
        return out
    count = total[kx:, ky:] - total[:-kx, ky:] - total[kx:, :-ky] + total[:-kx, :-ky]
    out[kx // 2 : kx // 2 + count.shape[0], ky // 2 : ky // 2 + count.shape[1]] = count == 0
    return out


def comes_out(plan: Plan, taken: Any, box: Box) -> bool:
    """Whether a box, carried level, gets from where it stands to the ground outside: slid, and turned where a turn is free all round."""
    size = box.x1 - box.x0 + 2 * HANDS, box.y1 - box.y0 + 2 * HANDS
    return _reaches(taken.tobytes(), plan.clear.tobytes(), taken.shape, size, plan.cell(*box.middle[:2]))


@lru_cache(maxsize=1024)
def _reaches(taken_cells: bytes, clear_cells: bytes, shape: tuple[int, int], size: tuple[float, float], at: tuple[int, int]) -> bool:
    """The search of ``comes_out`` over cells; most edits leave most things where they are, so an answer is kept."""
    taken, clear = (np.frombuffer(cells, dtype=bool).reshape(shape) for cells in (taken_cells, clear_cells))
    along, across = size
    a, b = free_for(taken, along, across), free_for(taken, across, along)
    round_ = float(np.hypot(along, across))
    turn = free_for(taken, round_, round_) & a & b
    i, j = at
    # where it stands it may touch its neighbours: it starts from the nearest free cell within a hand's breadth
    near = a[max(0, i - 4) : i + 5, max(0, j - 4) : j + 5]
    if not near.any():
        return False
    labels, _ = ndimage.label(np.stack([a, turn, b]))
    home = labels[0, max(0, i - 4) : i + 5, max(0, j - 4) : j + 5]
    mine = set(np.unique(home[near])) - {0}
    return bool(mine & (set(np.unique(labels[0][clear])) | set(np.unique(labels[2][clear]))) - {0})


def passable(size: tuple[float, float, float], doors: tuple[Door, ...], tilt: float, lie: bool) -> list[tuple[Door, float]]:
    """Doors that a thing of a size (x, y, z) goes through, with what is to spare straight on, widest first."""
    out = []
    for d in doors:
        if d.side == "roof" or d.width <= 2 * HANDS or d.height <= 2 * HANDS:
            continue
        ways = [w for w in door_ways((size[1], size[0], size[2]), Opening(d.width - 2 * HANDS, d.height - 2 * HANDS), tilt, lie, None) if w.passes]
        if ways:
            out.append((d, max(w.straight_spare_m for w in ways)))
    return sorted(out, key=lambda o: -o[1])


def way_out(plan: Plan, of: str, box: Box, tilt: float, lie: bool, others: dict[str, Box]) -> WayOut:
    """Whether a thing comes out in the bare shell and past the others, and the fewest single pieces that would free it."""
    size = (box.x1 - box.x0, box.y1 - box.y0, box.z1 - box.z0)
    doors = passable(size, plan.body.doors, tilt, lie)
    through = tuple(d for d, _ in doors)
    # on the floor, or carried at its own height (over a wheel arch)
    levels = [(0.03, max(0.10, min(size[2], 0.9 * plan.body.height))), (box.z0 + 0.01, box.z1)] if doors else []
    standing = [{k: b for k, b in others.items() if k != of and b.z0 < z1 and b.z1 > z0} for z0, z1 in levels]

    def passes(level: tuple[float, float], pieces: dict[str, Box], doors: tuple[Door, ...] = through) -> bool:
        taken = plan.walls(*level, doors).copy()
        for b in pieces.values():
            plan.stamp(taken, b)
        return comes_out(plan, taken, box)

    for level, pieces in zip(levels, standing, strict=True):
        if passes(level, pieces):
            which = next((n for n, d in enumerate(through[:-1]) if passes(level, pieces, (d,))), len(through) - 1)
            return WayOut(doors[which][0].id, doors[which][0].id, (), doors[which][1])
    open_ = [(level, pieces) for level, pieces in zip(levels, standing, strict=True) if passes(level, {})]
    if not open_:
        return WayOut(None, None, (), None)
    blocking = [k for level, pieces in open_ for k in pieces if passes(level, {n: b for n, b in pieces.items() if n != k})]
    return WayOut(doors[0][0].id, None, tuple(dict.fromkeys(blocking))[:4], doors[0][1])
