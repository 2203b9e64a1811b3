"""The inside surface of a vehicle: half-widths at stations and levels, and the least and largest of them over a range (method fit.shell)."""

from __future__ import annotations

import itertools
import math
from bisect import bisect_right
from collections.abc import Sequence
from typing import Annotated, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import fit_says as says

HalfWidth = Annotated[float, Field(gt=0, le=3)]
Along = Annotated[float, Field(ge=-50, le=50)]


class StationIn(Contract):
    """A section of the shell: half-widths in m at the levels, left and right of the centre line, and the ceiling's height."""

    x_m: Along
    left_m: list[HalfWidth]
    right_m: list[HalfWidth]
    height_m: float = Field(gt=0, le=6)


class ShellIn(Contract):
    """The finished inside surface: levels in m over the floor, rising, and stations in m from the rear, rising."""

    levels_z_m: list[Annotated[float, Field(ge=0, le=10)]] = Field(min_length=1, max_length=40)
    stations: list[StationIn] = Field(min_length=2, max_length=200)

    @model_validator(mode="after")
    def _rising(self) -> Self:
        check_shell(self.levels_z_m, self.stations)
        return self


class _Station(NamedTuple):
    x_m: float
    left_m: Sequence[float]
    right_m: Sequence[float]
    height_m: float


def check_shell(levels: Sequence[float], stations: Sequence[StationIn]) -> None:
    """Levels and stations must rise, and each station has one half-width a level. Raises an error that names the key."""
    for a, b in itertools.pairwise(levels):
        if b <= a:
            raise wrong("levels_z_m", says("must-rise-comes-after", b=b, a=a))
    for a_, b_ in itertools.pairwise(stations):
        if b_.x_m <= a_.x_m:
            raise wrong("x_m", says("stations-must-go-from", x_m=b_.x_m, x_m_2=a_.x_m))
    for s in stations:
        for key in ("left_m", "right_m"):
            if len(getattr(s, key)) != len(levels):
                raise wrong(key, says("station-at-needs-one", x_m=s.x_m, levels_count=len(levels)))


class Range(NamedTuple):
    """What a shell leaves over a range, in m: least half-widths and ceiling, and how much the sides vary."""

    left_m: float
    right_m: float
    height_m: float
    taper_left_m: float
    taper_right_m: float


class Hull:
    """A shell made ready for many questions. ``levels`` in m over the finished floor, ``stations`` (x, left, right, height) from the rear."""

    def __init__(self, levels: Sequence[float], stations: Sequence[tuple[float, Sequence[float], Sequence[float], float]]) -> None:
        self.levels = tuple(levels)
        self.stations = tuple(_Station(x, tuple(le), tuple(ri), h) for x, le, ri, h in stations)
        self._x = [s.x_m for s in self.stations]

    @classmethod
    def of(cls, shell: ShellIn) -> Hull:
        """From a calculator's input."""
        return cls(shell.levels_z_m, [(s.x_m, s.left_m, s.right_m, s.height_m) for s in shell.stations])

    @property
    def first(self) -> float:
        """x of the rear-most station in m."""
        return self._x[0]

    @property
    def last(self) -> float:
        """x of the front-most station in m."""
        return self._x[-1]

    def _level(self, halves: Sequence[float], z: float) -> float:
        """Half-width at a height: straight between levels, constant beyond them."""
        levels = self.levels
        if z <= levels[0]:
            return halves[0]
        if z >= levels[-1]:
            return halves[-1]
        k = bisect_right(levels, z)
        t = (z - levels[k - 1]) / (levels[k] - levels[k - 1])
        return halves[k - 1] + t * (halves[k] - halves[k - 1])

    def at(self, x: float, z: float) -> tuple[float, float, float]:
        """Left and right half-width and ceiling in m at a point; outside the stations the end station holds."""
        stations = self.stations
        if x <= self._x[0]:
            s = stations[0]
            return self._level(s.left_m, z), self._level(s.right_m, z), s.height_m
        if x >= self._x[-1]:
            s = stations[-1]
            return self._level(s.left_m, z), self._level(s.right_m, z), s.height_m
        i = bisect_right(self._x, x)
        a, b = stations[i - 1], stations[i]
        t = (x - a.x_m) / (b.x_m - a.x_m)
        la, lb = self._level(a.left_m, z), self._level(b.left_m, z)
        ra, rb = self._level(a.right_m, z), self._level(b.right_m, z)
        return la + t * (lb - la), ra + t * (rb - ra), a.height_m + t * (b.height_m - a.height_m)

    def over(self, x0: float, x1: float, z0: float, z1: float) -> Range:
        """The least and largest over a range: the surface is bilinear in each cell, so its extremes sit on cell corners."""
        xs = [x0, x1, *(x for x in self._x if x0 < x < x1)]
        zs = [z0, z1, *(z for z in self.levels if z0 < z < z1)]
        left, right, height = [], [], []
        for x in xs:
            for z in zs:
                le, ri, h = self.at(x, z)
                left.append(le)
                right.append(ri)
                height.append(h)
        return Range(min(left), min(right), min(height), max(left) - min(left), max(right) - min(right))

    def floor_area_m2(self) -> float:
        """Floor in m²: the lowest level's width along x."""
        return self._along(lambda s: s.left_m[0] + s.right_m[0])

    def ceiling_area_m2(self) -> float:
        """Plan of the ceiling in m²: the width at its height along x."""
        return self._along(lambda s: self._level(s.left_m, s.height_m) + self._level(s.right_m, s.height_m))

    def side_area_m2(self, side: str) -> float:
        """Area of one side wall in m²: the length of its line from floor to ceiling, along x."""
        return self._along(lambda s: self._wall(s, s.left_m if side == "left" else s.right_m))

    def volume_m3(self) -> float:
        """Volume in m³: the section along x."""
        return self._along(self._section)

    def section_m2(self, i: int) -> float:
        """Section of a station in m², counted from the rear."""
        return self._section(self.stations[i])

    def _along(self, of) -> float:  # type: ignore[no-untyped-def]
        values = [of(s) for s in self.stations]
        return float(sum((b.x_m - a.x_m) * (va + vb) / 2 for a, b, va, vb in zip(self.stations, self.stations[1:], values, values[1:], strict=False)))

    def _heights(self, s: _Station) -> list[float]:
        return [0.0, *(z for z in self.levels if 0 < z < s.height_m), s.height_m]

    def _wall(self, s: _Station, halves: Sequence[float]) -> float:
        zs = self._heights(s)
        return sum(math.hypot(z1 - z0, self._level(halves, z1) - self._level(halves, z0)) for z0, z1 in itertools.pairwise(zs))

    def _section(self, s: _Station) -> float:
        zs = self._heights(s)
        width = [self._level(s.left_m, z) + self._level(s.right_m, z) for z in zs]
        return sum((z1 - z0) * (w0 + w1) / 2 for z0, z1, w0, w1 in zip(zs, zs[1:], width, width[1:], strict=False))


class ShellWidthIn(Contract):
    shell: ShellIn
    x0_m: Along
    x1_m: Along | None = None
    z0_m: float = Field(0, ge=0, le=6)
    z1_m: float | None = Field(None, ge=0, le=6)

    @model_validator(mode="after")
    def _within(self) -> Self:
        first, last = self.shell.stations[0].x_m, self.shell.stations[-1].x_m
        for key, x in (("x0_m", self.x0_m), ("x1_m", self.x1_m)):
            if x is not None and not first - EPS <= x <= last + EPS:
                raise wrong(key, says("must-lie-within-stations", first=first, last_m=last))
        if self.x1_m is not None and self.x1_m < self.x0_m - EPS:
            raise wrong("x1_m", says("must-be-at-least", x0_m=self.x0_m))
        if self.z1_m is not None and self.z1_m < self.z0_m - EPS:
            raise wrong("z1_m", says("must-be-at-least-2", z0_m=self.z0_m))
        return self


class ShellWidthOut(Outcome):
    left_m: float
    right_m: float
    width_m: float
    height_m: float
    taper_left_m: float
    taper_right_m: float
    under_ceiling: bool


def shell_width(inp: ShellWidthIn, sources: dict[str, Figure] | None = None) -> ShellWidthOut:
    """The least half-widths, width and ceiling in m over a range of length and height, and what must be scribed. Method: fit.shell."""
    x1 = inp.x0_m if inp.x1_m is None else inp.x1_m
    z1 = inp.z0_m if inp.z1_m is None else inp.z1_m
    r = Hull.of(inp.shell).over(inp.x0_m, x1, inp.z0_m, z1)
    over = {"x0_m": inp.x0_m, "x1_m": x1, "z0_m": inp.z0_m, "z1_m": z1}

    def least(key: str, value: float, what: str = "least over the range: corners, stations and levels between") -> Figure:
        return derived(key, what, value, Method("fit.shell"), **over)

    return ShellWidthOut.of(
        left_m=least("left_m", r.left_m),
        right_m=least("right_m", r.right_m),
        width_m=derived("width_m", says("left-right-each-least"), r.left_m + r.right_m, Method("fit.shell"), left_m=r.left_m, right_m=r.right_m),
        height_m=least("height_m", r.height_m),
        taper_left_m=least("taper_left_m", r.taper_left_m, says("largest-least-over-range")),
        taper_right_m=least("taper_right_m", r.taper_right_m, says("largest-least-over-range")),
        under_ceiling=z1 <= r.height_m + EPS,
    )
