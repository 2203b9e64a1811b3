"""Joined tanks: the level they come to, what the crossover leaves, how fast it runs (method water.crossover)."""

from __future__ import annotations

import math
from typing import Self

from pydantic import Field, model_validator

from bothy.core.constants import G
from bothy.core.contract import EPS, Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.fluid import SMOOTH_MM, area_m2, loss_pa
from bothy.core.method.sources import Method
from bothy.core.root import reached
from bothy.core.water.properties import density, viscosity
from bothy.core.words.says import water_says as says

STEPS = 400
ENDS_K = 1.5
AT_C = 15.0


class BoxTank(Contract):
    area_m2: float = Field(gt=0, le=10)
    floor_z_m: float = Field(ge=-2, le=4)
    height_m: float = Field(gt=0, le=4)
    level_z_m: float

    @model_validator(mode="after")
    def _level(self) -> Self:
        if not self.floor_z_m - EPS <= self.level_z_m <= self.top + EPS:
            raise wrong("level_z_m", says("must-lie-in-tank", floor_z_m=self.floor_z_m, top_m=self.top))
        return self

    @property
    def top(self) -> float:
        """Height of its top."""
        return self.floor_z_m + self.height_m

    def clip(self, z: float) -> float:
        """A level, kept inside."""
        return min(max(z, self.floor_z_m), self.top)


class TankCrossoverIn(Contract):
    tanks: list[BoxTank] = Field(min_length=2, max_length=6)
    crossover_z_m: float = Field(ge=-2, le=4)
    outlet_tank_index: Whole = Field(0, ge=0)
    outlet_z_m: float | None = None
    inner_diameter_mm: float = Field(ge=2, le=150)
    length_m: float = Field(ge=0, le=50)
    fittings_k: float = Field(0, ge=0, le=100)
    tolerance_m: float = Field(0.005, ge=0.0001, le=0.5)
    draw_flow_l_min: float = Field(0, ge=0, le=200)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.outlet_tank_index >= len(self.tanks):
            raise wrong("outlet_tank_index", says("must-be-one-to", tanks_count=len(self.tanks) - 1))
        if any(self.crossover_z_m >= t.top for t in self.tanks):
            raise wrong("height_m", says("crossover-must-lie-under"))
        t = self.tanks[self.outlet_tank_index]
        if self.outlet_z_m is not None and not t.floor_z_m - EPS <= self.outlet_z_m < t.top:
            raise wrong("outlet_z_m", says("must-lie-in-outlets", floor_z_m=t.floor_z_m, top_m=t.top))
        return self


class TankCrossoverOut(Outcome):
    reaches_common_level: bool
    common_level_z_m: float | None
    final_levels_z_m: list[float]
    final_volumes_l: list[float]
    total_l: float
    usable_l: float
    unusable_l: float
    usable_full_l: float
    initial_flow_l_min: float | None
    equalise_time_min: float | None
    draw_level_difference_m: float | None


def flow_under(head_m: float, diameter_mm: float, length_m: float, k: float) -> float:
    """m³/s through a pipe under a head of water at 15 °C; with the friction of the velocity."""
    if head_m <= 0:
        return 0.0
    rho, mu = density(AT_C), viscosity(AT_C)
    bore = area_m2(diameter_mm)
    most = math.sqrt(2 * G * head_m / max(k, 1e-6)) * bore
    return reached(lambda q: loss_pa(q, diameter_mm, length_m, k, rho, mu, SMOOTH_MM), rho * G * head_m, 0.0, most)


def settle(tanks: list[BoxTank], crossover_z: float) -> tuple[float | None, list[float]]:
    """The common level (None where the water over the crossover doesn't reach to one) and each tank's level."""
    base = [max(t.floor_z_m, crossover_z) for t in tanks]
    pool = sum(t.area_m2 * max(0.0, t.level_z_m - b) for t, b in zip(tanks, base, strict=True))
    lacks = [t.area_m2 * max(0.0, b - t.level_z_m) if t.floor_z_m < crossover_z else 0.0 for t, b in zip(tanks, base, strict=True)]
    lack = sum(lacks)
    if pool < lack - 1e-15:
        return None, [
            b if t.level_z_m > b else t.level_z_m + (pool * d / lack / t.area_m2 if d > 0 else 0.0) for t, b, d in zip(tanks, base, lacks, strict=True)
        ]
    spare = pool - lack

    def over(level: float) -> float:
        return sum(t.area_m2 * (min(max(level, b), t.top) - b) for t, b in zip(tanks, base, strict=True))

    level = reached(over, spare, min(base), max(t.top for t in tanks))
    return level, [min(max(level, b), t.top) for t, b in zip(tanks, base, strict=True)]


def tank_crossover(inp: TankCrossoverIn, sources: dict[str, Figure] | None = None) -> TankCrossoverOut:
    """Where joined tanks settle, what stays behind, and how long it takes. Method: water.crossover."""
    ts, c = inp.tanks, inp.crossover_z_m
    common, finals = settle(ts, c)
    volumes = [1000 * t.area_m2 * (z - t.floor_z_m) for t, z in zip(ts, finals, strict=True)]
    out = ts[inp.outlet_tank_index]
    outlet = max(out.floor_z_m, c) if inp.outlet_z_m is None else inp.outlet_z_m

    def usable(levels: list[float]) -> float:
        total = 0.0
        for i, (t, z) in enumerate(zip(ts, levels, strict=True)):
            floor = outlet if i == inp.outlet_tank_index else max(t.floor_z_m, c, outlet)
            total += 1000 * t.area_m2 * max(0.0, z - floor)
        return total

    k = inp.fittings_k + ENDS_K
    flow = time = difference = None
    if len(ts) == 2:
        hi, lo = (0, 1) if ts[0].level_z_m >= ts[1].level_z_m else (1, 0)
        h, low = ts[hi], ts[lo]

        def head(w: float) -> float:
            return (h.level_z_m - w / h.area_m2) - max(low.level_z_m + w / low.area_m2, c, low.floor_z_m)

        move = h.area_m2 * (h.level_z_m - finals[hi])
        q0 = flow_under(head(0), inp.inner_diameter_mm, inp.length_m, k) if move > 1e-12 else 0.0
        flow, time = 60000 * q0, 0.0
        if q0 > 0 and head(0) > inp.tolerance_m:
            end = move
            if head(move) < inp.tolerance_m:
                end = reached(lambda w: -head(w), -inp.tolerance_m, 0.0, move)
            step = end / STEPS
            time = sum(step / flow_under(head((i + 0.5) * step), inp.inner_diameter_mm, inp.length_m, k) for i in range(STEPS)) / 60
        other = ts[1 - inp.outlet_tank_index]
        through = inp.draw_flow_l_min / 60000 * other.area_m2 / (ts[0].area_m2 + ts[1].area_m2)
        rho = density(AT_C)
        difference = loss_pa(through, inp.inner_diameter_mm, inp.length_m, k, rho, viscosity(AT_C)) / (rho * G)
    total = derived(
        "total_l", "Σ A·(level − floor)", sum(volumes), Method("water.crossover", "geometry"), **{f"tank_{i}_l": v for i, v in enumerate(volumes, 1)}
    )
    can = derived("usable_l", says("water-over-outlet-and"), usable(finals), Method("water.crossover"), total_l=total)
    return TankCrossoverOut.of(
        reaches_common_level=common is not None,
        common_level_z_m=None
        if common is None
        else derived(
            "common_level_z_m", "L at which Σ A·(clip(L) − base) is the water over the crossover", common, Method("water.crossover", "mass"), crossover_z_m=c
        ),
        final_levels_z_m=finals,
        final_volumes_l=volumes,
        total_l=total,
        usable_l=can,
        unusable_l=derived("unusable_l", "total − usable", total.value - can.value, Method("water.crossover", "definition"), total_l=total, usable_l=can),
        usable_full_l=derived("usable_full_l", says("same-with-every-tank"), usable([t.top for t in ts]), Method("water.crossover"), crossover_z_m=c),
        initial_flow_l_min=None
        if flow is None
        else derived(
            "initial_flow_l_min",
            "Q at which ρ·g·Δh = (f·L/D + K)·½ρv²",
            flow,
            Method("water.crossover", "Darcy-Weisbach"),
            inner_diameter_mm=inp.inner_diameter_mm,
            length_m=inp.length_m,
        ),
        equalise_time_min=None
        if time is None
        else derived("equalise_time_min", "∫ dw/Q(head)", time, Method("water.crossover", "400 steps"), tolerance_m=inp.tolerance_m),
        draw_level_difference_m=None
        if difference is None
        else derived(
            "draw_level_difference_m", "loss at q·A_other/(A₁ + A₂)/(ρ·g)", difference, Method("water.crossover"), draw_flow_l_min=inp.draw_flow_l_min
        ),
    )
