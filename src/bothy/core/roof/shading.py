"""Shade of what stands on the roof on the panels, hour by hour, and what it costs a string (method roof.string-shade)."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache
from math import degrees, radians
from typing import NamedTuple

import numpy as np

from bothy.core.roof.pack import Rect
from bothy.core.roof.plan import RoofThing
from bothy.core.sun.geometry import MEAN_DAY, season_of, sun_at

HEADINGS = tuple(range(0, 360, 45))
"""How the vehicle stands is not known: the mean of eight headings."""
STRIPS, ALONG, ACROSS = 3, 12, 3
"""A panel is parted into three strips over its short side by its bypass diodes (usual); each is looked at in so many points."""
LEAST_DEG = 2.0
DESIGN_DEG = 20.0
"""The sun that clearances are laid out for: a shadow of 2.7 heights."""


class Blocker(NamedTuple):
    """What throws a shadow: its rectangle in m and its height over the face of the panels."""

    rect: Rect
    height: float


THIN_M = 0.14
"""What is thinner counts as so wide: the points that are looked at lie so far apart, and a mast's shadow would slip between them (its edge is soft, so that
this is on the careful side)."""


def _wide(r: Rect) -> Rect:
    a, b = max(0.0, (THIN_M - (r.x1 - r.x0)) / 2), max(0.0, (THIN_M - (r.y1 - r.y0)) / 2)
    return Rect(r.x0 - a, r.x1 + a, r.y0 - b, r.y1 + b)


def blockers_of(things: Sequence[RoofThing], panel: RoofThing) -> tuple[Blocker, ...]:
    """What stands higher than a panel's face."""
    face = panel.top
    return tuple(
        Blocker(_wide(r), t.top - face)
        for t in things
        if t.key != panel.key and t.kind not in ("walkway", "gland") and (r := t.rect) is not None and t.top > face + 0.005
    )


def _points(panels: Sequence[Rect]) -> np.ndarray:
    """x and y of every looked-at point: panels × strips × points, 2."""
    out = np.empty((len(panels), STRIPS, ALONG * ACROSS, 2))
    for i, r in enumerate(panels):
        lengthwise = r.x1 - r.x0 >= r.y1 - r.y0
        long0, long1, short0, short1 = (r.x0, r.x1, r.y0, r.y1) if lengthwise else (r.y0, r.y1, r.x0, r.x1)
        u = long0 + (long1 - long0) * (np.arange(ALONG) + 0.5) / ALONG
        for s in range(STRIPS):
            v = short0 + (short1 - short0) * (s + (np.arange(ACROSS) + 0.5) / ACROSS) / STRIPS
            grid = np.stack(np.meshgrid(u, v, indexing="ij"), -1).reshape(-1, 2)
            out[i, s] = grid if lengthwise else grid[:, ::-1]
    return out


def lit_strips(panels: Sequence[Rect], blockers: Sequence[Sequence[Blocker]], elevation_deg: np.ndarray, bearing_deg: np.ndarray) -> np.ndarray:
    """Which strips of each panel a sun reaches whole: suns × panels × strips. A point is dark when the line from it towards the sun meets a blocker's
    rectangle before it has risen to the blocker's height."""
    pts = _points(panels)
    e, b = np.radians(elevation_deg), np.radians(bearing_deg)
    per_m = 1 / np.tan(e)
    # towards the sun a point moves ahead for a sun ahead (bearing 0), to the right for a sun on the right
    dx, dy = np.cos(b) * per_m, -np.sin(b) * per_m
    out = np.ones((len(e), len(panels), STRIPS), dtype=bool)
    for i, (mine, over) in enumerate(zip(pts, blockers, strict=True)):
        px, py = mine[None, ..., 0], mine[None, ..., 1]
        dark = np.zeros((len(e), *mine.shape[:2]), dtype=bool)
        for k in over:
            lo, hi = np.zeros_like(dark, dtype=float), np.full(dark.shape, k.height)
            for p, d, a0, a1 in ((px, dx, k.rect.x0, k.rect.x1), (py, dy, k.rect.y0, k.rect.y1)):
                d = d[:, None, None]
                flat = np.abs(d) < 1e-12
                safe = np.where(flat, 1.0, d)
                t0, t1 = (a0 - p) / safe, (a1 - p) / safe
                inside = (p >= a0) & (p <= a1)
                lo = np.maximum(lo, np.where(flat, np.where(inside, 0.0, np.inf), np.minimum(t0, t1)))
                hi = np.minimum(hi, np.where(flat, np.where(inside, k.height, -np.inf), np.maximum(t0, t1)))
            dark |= lo <= hi
        out[:, i] = ~dark.any(axis=-1)
    return out


@lru_cache(maxsize=64)
def _loss(panels: tuple[Rect, ...], blockers: tuple[tuple[Blocker, ...], ...], lat_deg: float, month: int) -> tuple[tuple[float, ...], ...]:
    hours = np.arange(24, dtype=np.float64) + 0.5
    s = sun_at(lat_deg, season_of(MEAN_DAY[month - 1]).dec, hours)
    elevation = 90 - np.degrees(np.arccos(np.clip(s.cos_z, -1, 1)))
    up = elevation > LEAST_DEG
    out = np.zeros((len(panels), 24))
    if not up.any() or not any(blockers):
        return tuple(tuple(row) for row in out)
    high, azimuth = elevation[up], np.degrees(s.azimuth[up])
    bearings = (azimuth[:, None] - np.array(HEADINGS)[None, :]) % 360
    lit = lit_strips(panels, blockers, np.repeat(high, len(HEADINGS)), bearings.ravel())
    part = 1 - lit.mean(axis=2).reshape(len(high), len(HEADINGS), len(panels)).mean(axis=1)
    out[:, up] = part.T
    return tuple(tuple(float(v) for v in row) for row in out)


def hourly_loss(things: Sequence[RoofThing], array: str, lat_deg: float, month: int) -> tuple[tuple[float, ...], dict[str, float]]:
    """The part of the direct light that an array loses in each hour of the sun's clock on the mean day of a month, and the mean loss of each of its panels
    over the hours of daylight. Every strip that is touched is taken as dark: its bypass diode takes it out."""
    mine = [t for t in things if t.array == array and t.rect is not None]
    if not mine:
        return (0.0,) * 24, {}
    rects = tuple(t.rect for t in mine)
    rows = _loss(rects, tuple(blockers_of(things, t) for t in mine), round(lat_deg, 2), month)
    mean = tuple(round(sum(r[h] for r in rows) / len(rows), 4) for h in range(24))
    sunny = [h for h in range(24) if _up(lat_deg, month, h)]
    return mean, {t.key: sum(r[h] for h in sunny) / max(1, len(sunny)) for t, r in zip(mine, rows, strict=True)}


def sun_of_day(lat_deg: float, month: int) -> list[list[float]]:
    """Hour, elevation and azimuth of the sun in ° in the middle of each half hour of the mean day of a month, while it is up."""
    hours = np.arange(48, dtype=np.float64) / 2 + 0.25
    s = sun_at(lat_deg, season_of(MEAN_DAY[month - 1]).dec, hours)
    high = 90 - np.degrees(np.arccos(np.clip(s.cos_z, -1, 1)))
    return [[float(h), round(float(e), 2), round(float(a), 2)] for h, e, a in zip(hours, high, np.degrees(s.azimuth), strict=True) if e > LEAST_DEG]


def _up(lat_deg: float, month: int, hour: int) -> bool:
    cos_z = float(sun_at(lat_deg, season_of(MEAN_DAY[month - 1]).dec, np.array([hour + 0.5])).cos_z[0])
    return bool(cos_z > np.sin(radians(LEAST_DEG)))


def darkest(lat_deg: float, months: Sequence[int]) -> int:
    """The month with the lowest sun at noon."""
    return min(months, key=lambda m: 90 - abs(lat_deg - degrees(season_of(MEAN_DAY[m - 1]).dec)))
