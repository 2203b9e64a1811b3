"""Draining by gravity, tank vents, slopes (method water.waste)."""

from __future__ import annotations

import math
from typing import Self

from pydantic import Field, model_validator

from bothy.core.constants import G
from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.fluid import area_m2
from bothy.core.method.sources import Method
from bothy.core.words.says import water_says as says

PIPE_F = 0.03
AIR_HALF = 0.6
"""Half the density of air, kg/m³."""


class DrainTimeIn(Contract):
    area_m2: float = Field(gt=0, le=10)
    level_m: float = Field(gt=0, le=4)
    end_level_m: float = Field(0, ge=0, le=4)
    fall_m: float = Field(0, ge=0, le=3)
    inner_diameter_mm: float = Field(ge=2, le=150)
    length_m: float = Field(0.5, ge=0, le=30)
    k_total: float = Field(1.8, ge=1, le=100)

    @model_validator(mode="after")
    def _levels(self) -> Self:
        if self.end_level_m >= self.level_m:
            raise wrong("end_level_m", says("must-be-less-than-level", level_m=self.level_m))
        return self


class DrainTimeOut(Outcome):
    time_min: float
    start_flow_l_min: float
    end_flow_l_min: float
    drained_l: float


def drain_time(inp: DrainTimeIn, sources: dict[str, Figure] | None = None) -> DrainTimeOut:
    """How long a tank takes to run out. Method: water.waste."""
    g = Given(inp, sources)
    k = derived(
        "k_with_pipe",
        "K + 0.03·L/D",
        inp.k_total + PIPE_F * inp.length_m / (inp.inner_diameter_mm / 1000),
        Method("water.waste"),
        k_total=g("k_total"),
        length_m=g("length_m"),
        inner_diameter_mm=g("inner_diameter_mm"),
    )
    a = area_m2(inp.inner_diameter_mm)
    root = math.sqrt(2 * G / k.value)
    h1, h2 = inp.level_m + inp.fall_m, inp.end_level_m + inp.fall_m
    time = 2 * inp.area_m2 / (a * root) * (math.sqrt(h1) - math.sqrt(h2)) / 60
    return DrainTimeOut.of(
        time_min=derived(
            "time_min",
            "2A/(a·√(2g/K'))·(√(h₁ + fall) − √(h₂ + fall))",
            time,
            Method("water.waste", "Torricelli with pipe friction"),
            area_m2=g("area_m2"),
            level_m=g("level_m"),
            fall_m=g("fall_m"),
            k_with_pipe=k,
        ),
        start_flow_l_min=derived(
            "start_flow_l_min",
            "a·√(2g(h₁ + fall)/K')",
            60000 * a * root * math.sqrt(h1),
            Method("water.waste", "Torricelli"),
            level_m=g("level_m"),
            fall_m=g("fall_m"),
            k_with_pipe=k,
        ),
        end_flow_l_min=derived(
            "end_flow_l_min",
            "a·√(2g(h₂ + fall)/K')",
            60000 * a * root * math.sqrt(h2),
            Method("water.waste", "Torricelli"),
            end_level_m=g("end_level_m"),
            fall_m=g("fall_m"),
            k_with_pipe=k,
        ),
        drained_l=derived(
            "drained_l",
            "A·(h₁ − h₂)",
            1000 * inp.area_m2 * (inp.level_m - inp.end_level_m),
            Method("water.waste", "geometry"),
            area_m2=g("area_m2"),
            level_m=g("level_m"),
            end_level_m=g("end_level_m"),
        ),
    )


def vent_pa(flow_l_min: float, diameter_mm: float, length_m: float) -> float:
    """Pressure that a tank's vent holds back at a flow of water in or out, Pa."""
    v = flow_l_min / 60000 / area_m2(diameter_mm)
    return (1.5 + PIPE_F * length_m / (diameter_mm / 1000)) * AIR_HALF * v * v
