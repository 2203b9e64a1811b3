"""A tank from real shapes: volume over level, mass, centre of gravity, slosh (method water.tank)."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from itertools import pairwise
from typing import Annotated, Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.constants import G
from bothy.core.contract import EPS, BadInput, Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, given
from bothy.core.method.sources import Method
from bothy.core.root import reached
from bothy.core.words.says import water_says as says

CHECKS, FINE = 200, 400
Size = Annotated[float, Field(gt=0, le=6)]


class Prism(Contract):
    """One part of a tank, added or cut; sizes in m, a polygon's points [y, z] in m, drawn from its own base."""

    shape: Literal["box", "polygon", "cylinder_vertical", "cylinder_horizontal"]
    op: Literal["add", "cut"] = "add"
    base_z_m: float = Field(0, ge=-2, le=4)
    length_m: Size | None = None
    width_m: Size | None = None
    height_m: Size | None = None
    diameter_m: Size | None = None
    vertices_yz_m: list[list[Annotated[float, Field(ge=-6, le=6)]]] | None = Field(None, min_length=3, max_length=40)

    @model_validator(mode="after")
    def _sizes(self) -> Self:
        needed = {
            "box": ("length_m", "width_m", "height_m"),
            "cylinder_vertical": ("diameter_m", "height_m"),
            "cylinder_horizontal": ("diameter_m", "length_m"),
            "polygon": ("length_m", "vertices_yz_m"),
        }
        for key in needed[self.shape]:
            if getattr(self, key) is None:
                raise wrong(key, says("required-for-shape", shape=self.shape))
        if self.shape == "polygon":
            for p in self.vertices_yz_m or []:
                if len(p) != 2 or any(not -6 <= c <= 6 for c in p):
                    raise wrong("vertices_yz_m", says("each-point-must-be"))
            if self.tall <= 0:
                raise wrong("vertices_yz_m", says("polygon-has-no-height"))
        return self

    @property
    def low(self) -> float:
        """Height of its lowest point."""
        return self.base_z_m + (min(p[1] for p in self.vertices_yz_m) if self.shape == "polygon" and self.vertices_yz_m else 0.0)

    @property
    def tall(self) -> float:
        """How high it is, in m."""
        if self.shape == "polygon" and self.vertices_yz_m:
            zs = [p[1] for p in self.vertices_yz_m]
            return max(zs) - min(zs)
        return self.diameter_m or 0.0 if self.shape == "cylinder_horizontal" else self.height_m or 0.0

    def under(self, z: float) -> float:
        """m³ of it under a level."""
        x = min(max(z - self.low, 0.0), self.tall)
        if x <= 0:
            return 0.0
        length, d = self.length_m or 0.0, self.diameter_m or 0.0
        if self.shape == "box":
            return length * (self.width_m or 0.0) * x
        if self.shape == "cylinder_vertical":
            return math.pi * d * d / 4 * x
        if self.shape == "cylinder_horizontal":
            r = d / 2
            return length * (r * r * math.acos((r - x) / r) - (r - x) * math.sqrt(max(0.0, 2 * r * x - x * x)))
        points = [(p[0], p[1] + self.base_z_m) for p in self.vertices_yz_m or []]
        return length * _area_under(points, self.low + x)


def _area_under(points: Sequence[tuple[float, float]], z: float) -> float:
    """Area of a simple polygon under a level: half-plane clip, then shoelace."""
    out: list[tuple[float, float]] = []
    for (y0, z0), (y1, z1) in zip(points, [*points[1:], points[0]], strict=True):
        if z0 <= z:
            out.append((y0, z0))
        if (z0 <= z) != (z1 <= z):
            out.append((y0 + (y1 - y0) * (z - z0) / (z1 - z0), z))
    return abs(sum(y0 * z1 - y1 * z0 for (y0, z0), (y1, z1) in zip(out, [*out[1:], *out[:1]], strict=True))) / 2


@dataclass
class Shape:
    """A tank's volume over its level, in litres and metres."""

    prisms: Sequence[Prism]

    @cached_property
    def bottom(self) -> float:
        return min(p.low for p in self.prisms if p.op == "add")

    @cached_property
    def top(self) -> float:
        return max(p.low + p.tall for p in self.prisms if p.op == "add")

    @cached_property
    def _floor(self) -> list[float]:
        return [p.under(self.bottom) for p in self.prisms]

    def litres(self, z: float) -> float:
        """Volume under a level."""
        return 1000 * sum((1 if p.op == "add" else -1) * (p.under(z) - b) for p, b in zip(self.prisms, self._floor, strict=True))

    def level(self, litres: float, top: float | None = None) -> float:
        """Level at which the tank holds so much; the ends where it can't."""
        return reached(self.litres, litres, self.bottom, self.top if top is None else top)

    def centre(self, z: float) -> float:
        """Height of the middle of the water under a level."""
        full = self.litres(z)
        step = (z - self.bottom) / FINE
        total = sum(self.litres(self.bottom + (i + 0.5) * step) for i in range(FINE)) * step
        return z - total / full


def shape_of(prisms: Sequence[Prism]) -> Shape:
    """A checked shape. Raises :class:`BadInput` naming ``prisms``."""
    if not any(p.op == "add" for p in prisms):
        raise BadInput("prisms", says("add-at-least-one"))
    shape = Shape(prisms)
    volumes = [shape.litres(shape.bottom + (shape.top - shape.bottom) * i / CHECKS) for i in range(CHECKS + 1)]
    if volumes[-1] <= 0:
        raise BadInput("prisms", says("tank-has-no-volume"))
    if any(b < a - 1e-9 for a, b in pairwise(volumes)):
        raise BadInput("prisms", says("volume-falls-as-level"))
    return shape


class Levels(Contract):
    """What every sum on a tank needs."""

    prisms: list[Prism] = Field(min_length=1, max_length=20)
    max_level_z_m: float | None = None
    outlet_z_m: float | None = None

    def worked(self) -> tuple[Shape, float, float]:
        """The shape, the full level and the outlet. Raises :class:`BadInput`."""
        shape = shape_of(self.prisms)
        full = shape.top if self.max_level_z_m is None else self.max_level_z_m
        if not shape.bottom < full <= shape.top + EPS:
            raise BadInput("max_level_z_m", says("must-be-above-bottom", bottom_m=shape.bottom, top_m=shape.top))
        outlet = shape.bottom if self.outlet_z_m is None else self.outlet_z_m
        if not shape.bottom - EPS <= outlet <= full or shape.litres(full) - shape.litres(outlet) <= 0:
            raise BadInput("outlet_z_m", says("must-lie-in-tank-from-up", bottom_m=shape.bottom, full_m=full))
        return shape, full, outlet


class TankVolumeIn(Levels):
    level_z_m: float | None = None
    density_kg_m3: float = Field(1000, ge=500, le=2000)
    tank_mass_kg: float = Field(0, ge=0, le=500)
    steps_count: Whole = Field(10, ge=1, le=100)


class LevelRow(BaseModel):
    level_z_m: float
    volume_l: float
    fill_frac: float


class TankVolumeOut(Outcome):
    gross_l: float
    full_l: float
    dead_l: float
    usable_l: float
    bottom_z_m: float
    top_z_m: float
    mass_full_kg: float
    cg_z_full_m: float
    level_volume_l: float | None
    level_usable_l: float | None
    level_fill_frac: float | None
    table: list[LevelRow]


def tank_volume(inp: TankVolumeIn, sources: dict[str, Figure] | None = None) -> TankVolumeOut:
    """Volume over level, what the outlet leaves, mass and centre of gravity when full. Method: water.tank."""
    g = Given(inp, sources)
    shape, top, outlet = inp.worked()
    full = derived(
        "full_l",
        says("volume-under-highest-level"),
        shape.litres(top),
        Method("water.tank", "Σ of the parts, cuts taken off"),
        max_level_z_m=given("max_level_z_m", top, "input"),
    )
    dead = derived(
        "dead_l",
        says("volume-under-outlet"),
        shape.litres(outlet),
        Method("water.tank", "Σ of the parts, cuts taken off"),
        outlet_z_m=given("outlet_z_m", outlet, "input"),
    )
    at = inp.level_z_m
    if at is not None and not shape.bottom - EPS <= at <= top + EPS:
        raise BadInput("level_z_m", says("must-lie-from-to", bottom_m=shape.bottom, top_m=top))
    volume = shape.litres(at) if at is not None else None
    rows = []
    for i in range(inp.steps_count + 1):
        z = shape.bottom + (top - shape.bottom) * i / inp.steps_count
        rows.append(LevelRow(level_z_m=z, volume_l=shape.litres(z), fill_frac=shape.litres(z) / full.value))
    here = given("level_z_m", at, "input") if at is not None else None
    held = (
        derived("level_volume_l", says("volume-under-level"), volume, Method("water.tank", "Σ of the parts, cuts taken off"), level_z_m=here)
        if volume is not None and here is not None
        else None
    )
    return TankVolumeOut.of(
        gross_l=derived(
            "gross_l", says("volume-under-top"), shape.litres(shape.top), Method("water.tank", "Σ of the parts, cuts taken off"), top_z_m=shape.top
        ),
        full_l=full,
        dead_l=dead,
        usable_l=derived("usable_l", "full − dead", full.value - dead.value, Method("water.tank", "definition"), full_l=full, dead_l=dead),
        bottom_z_m=given("bottom_z_m", shape.bottom, "input", says("lowest-point-parts-that")),
        top_z_m=given("top_z_m", shape.top, "input", says("highest-point-parts-that")),
        mass_full_kg=derived(
            "mass_full_kg",
            "volume·ρ/1000 + tank",
            full.value * inp.density_kg_m3 / 1000 + inp.tank_mass_kg,
            Method("water.tank", "mass"),
            full_l=full,
            density_kg_m3=g("density_kg_m3"),
            tank_mass_kg=g("tank_mass_kg"),
        ),
        cg_z_full_m=derived("cg_z_full_m", "z_max − ∫V(z)dz/V", shape.centre(top), Method("water.tank", "first moment of the water"), full_l=full),
        level_volume_l=held,
        level_usable_l=None
        if held is None
        else derived(
            "level_usable_l",
            says("volume-dead-at-least"),
            max(0.0, held.value - dead.value),
            Method("water.tank", "definition"),
            level_volume_l=held,
            dead_l=dead,
        ),
        level_fill_frac=None
        if held is None
        else derived("level_fill_frac", "volume/full", held.value / full.value, Method("water.tank", "definition"), level_volume_l=held, full_l=full),
        table=rows,
    )


def slosh_hz(length_m: float, depth_m: float) -> float:
    """First natural frequency of the water in a box along the travel, Hz (linear wave theory)."""
    return math.sqrt(math.pi * G / length_m * math.tanh(math.pi * depth_m / length_m)) / (2 * math.pi)
