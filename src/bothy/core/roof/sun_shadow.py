"""The shadow of a thing on the roof, and how much of a panel lies in it (method roof.shadow)."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.roof.pack import RoofIn
from bothy.core.words.says import roof_says as says

SHADED = 0.005
Corner = tuple[float, float]


def shadow_hull(rect: tuple[float, float, float, float], shift: Corner) -> list[Corner]:
    """The outline of a rectangle (x0, x1, y0, y1) and of the same rectangle shifted, anticlockwise."""
    x0, x1, y0, y1 = rect
    points = sorted({(x + dx, y + dy) for x in (x0, x1) for y in (y0, y1) for dx, dy in ((0.0, 0.0), shift)})

    def half(run: Sequence[Corner]) -> list[Corner]:
        out: list[Corner] = []
        for p in run:
            while len(out) > 1 and (out[-1][0] - out[-2][0]) * (p[1] - out[-2][1]) - (out[-1][1] - out[-2][1]) * (p[0] - out[-2][0]) <= 0:
                out.pop()
            out.append(p)
        return out[:-1]

    return half(points) + half(points[::-1])


def area_within(outline: Sequence[Corner], rect: tuple[float, float, float, float]) -> float:
    """Area of a convex outline inside a rectangle, in the square of its unit (cut by each side in turn)."""
    x0, x1, y0, y1 = rect
    cut = list(outline)
    for axis, limit, keep_less in ((0, x0, False), (0, x1, True), (1, y0, False), (1, y1, True)):
        out: list[Corner] = []
        for a, b in zip(cut, cut[1:] + cut[:1], strict=True):
            ina, inb = (a[axis] <= limit) if keep_less else (a[axis] >= limit), (b[axis] <= limit) if keep_less else (b[axis] >= limit)
            if ina:
                out.append(a)
            if ina != inb:
                t = (limit - a[axis]) / (b[axis] - a[axis])
                out.append((a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1])))
        cut = out
        if not cut:
            return 0.0
    return abs(sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(cut, cut[1:] + cut[:1], strict=True))) / 2


def shift_of(height: float, elevation_deg: float, bearing_deg: float) -> tuple[float, float, float]:
    """Length of the shadow, and its shift along x and y, m. Bearing of the sun from the vehicle's nose: 90 on the right, 180 behind."""
    length = 0.0 if elevation_deg >= 90 - EPS else max(height, 0.0) / math.tan(math.radians(elevation_deg))
    b = math.radians(bearing_deg)
    return length, -length * math.cos(b), length * math.sin(b)


class ShadowLengthIn(Contract):
    height_m: float = Field(ge=-2, le=5)
    sun_elevation_deg: float = Field(gt=0, le=90)
    sun_bearing_deg: float = Field(0, ge=-360, le=360)
    object: RoofIn | None = None
    panel: RoofIn | None = None

    @model_validator(mode="after")
    def _rectangles(self) -> Self:
        for key in ("object", "panel"):
            r = getattr(self, key)
            if r is not None and (r.x1_m - r.x0_m) * (r.y1_m - r.y0_m) <= 0:
                raise wrong(key, says("must-have-area"))
        return self


class ShadowLengthOut(Outcome):
    shadow_length_m: float
    shift_x_m: float
    shift_y_m: float
    shaded_frac: float | None
    finding_ids: list[str]


def _rect(r: RoofIn) -> tuple[float, float, float, float]:
    return r.x0_m, r.x1_m, r.y0_m, r.y1_m


def shadow_length(inp: ShadowLengthIn, sources: dict[str, Figure] | None = None) -> ShadowLengthOut:
    """How far a shadow reaches, where it falls, and how much of a panel lies in it. Method: roof.shadow."""
    length, dx, dy = shift_of(inp.height_m, inp.sun_elevation_deg, inp.sun_bearing_deg)
    sun = {"height_m": inp.height_m, "sun_elevation_deg": inp.sun_elevation_deg}

    def fig(key: str, expression: str, value: float, **inputs: float) -> Figure:
        return derived(key, expression, value, Method("roof.shadow"), **inputs)

    frac = None
    if inp.object is not None and inp.panel is not None:
        panel = _rect(inp.panel)
        frac = area_within(shadow_hull(_rect(inp.object), (dx, dy)), panel) / ((panel[1] - panel[0]) * (panel[3] - panel[2]))
    return ShadowLengthOut.of(
        shadow_length_m=fig("shadow_length_m", "max(h, 0)/tan e", length, **sun),
        shift_x_m=fig("shift_x_m", "−L·cos(bearing)", dx, shadow_length_m=length, sun_bearing_deg=inp.sun_bearing_deg),
        shift_y_m=fig("shift_y_m", "L·sin(bearing)", dy, shadow_length_m=length, sun_bearing_deg=inp.sun_bearing_deg),
        shaded_frac=None if frac is None else fig("shaded_frac", says("hull-object-and-shadow"), frac, **sun),
        finding_ids=["fit-panel-shaded"] if frac is not None and frac > SHADED + EPS else [],
    )
