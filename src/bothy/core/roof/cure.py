"""When an adhesive has cured at a constant temperature and humidity (method roof.cure)."""

from __future__ import annotations

import math
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import roof_says as says

LONG_MM = 15.0


def saturation_pa(temp_c: float) -> float:
    """Saturation pressure of water vapour in Pa (Magnus)."""
    return 611.2 * math.exp(17.62 * temp_c / (243.12 + temp_c))


def moisture_factor(temp_c: float, humidity: float) -> float:
    """How fast moisture cures against 23 °C and 50 %."""
    return humidity * saturation_pa(temp_c) / (0.5 * saturation_pa(23))


class CureTimeIn(Contract):
    chemistry: Literal["moisture_one_part", "two_part"] = "moisture_one_part"
    temp_c: float = Field(ge=-30, le=60)
    temp_min_c: float = Field(5, ge=-20, le=40)
    humidity_frac: float | None = Field(None, gt=0, le=1)
    cure_rate_mm_24h: float = Field(3, gt=0, le=20)
    law: Literal["sqrt", "linear"] = "sqrt"
    cure_path_mm: float | None = Field(None, gt=0, le=200)
    bead_width_mm: float | None = Field(None, gt=0, le=200)
    open_edge_count: Whole = Field(2, ge=1, le=2)
    skin_time_ref_min: float = Field(20, gt=0, le=600)
    handling_time_ref_h: float | None = Field(None, gt=0, le=1000)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.chemistry == "two_part":
            if self.handling_time_ref_h is None:
                raise wrong("handling_time_ref_h", says("required-for-two-part"))
            return self
        if self.humidity_frac is None:
            raise wrong("humidity_frac", says("required-one-part-product"))
        if self.cure_path_mm is None and self.bead_width_mm is None:
            raise wrong("cure_path_mm", says("give-cure-path-or"))
        return self


class CureTimeOut(Outcome):
    rate_factor: float
    depth_24h_mm: float | None
    time_h: float
    skin_time_min: float | None
    finding_ids: list[str]


def cure_time(inp: CureTimeIn, sources: dict[str, Figure] | None = None) -> CureTimeOut:
    """Rate, depth in a day, time until it is cured through, and until it skins. Method: roof.cure."""
    cold = ["fit-cure-too-cold"] if inp.temp_c < inp.temp_min_c - EPS else []

    def fig(key: str, expression: str, value: float, **inputs: float) -> Figure:
        return derived(key, expression, value, Method("roof.cure"), **inputs)

    if inp.chemistry == "two_part":
        f = 2 ** ((inp.temp_c - 23) / 10)
        time = (inp.handling_time_ref_h or 0.0) / f
        return CureTimeOut.of(
            rate_factor=fig("rate_factor", "2^((T − 23)/10)", f, temp_c=inp.temp_c),
            depth_24h_mm=None,
            time_h=fig("time_h", "reference/factor", time, handling_time_ref_h=inp.handling_time_ref_h or 0.0, rate_factor=f),
            skin_time_min=None,
            finding_ids=cold,
        )
    f = moisture_factor(inp.temp_c, inp.humidity_frac or 0.5)
    path = inp.cure_path_mm if inp.cure_path_mm is not None else (inp.bead_width_mm or 0.0) / inp.open_edge_count
    r = inp.cure_rate_mm_24h
    depth, time = (r * math.sqrt(f), 24 * (path / r) ** 2 / f) if inp.law == "sqrt" else (r * f, 24 * (path / r) / f)
    root = inp.law == "sqrt"
    return CureTimeOut.of(
        rate_factor=fig("rate_factor", "RH·p_s(T)/(0.5·p_s(23 °C))", f, temp_c=inp.temp_c, humidity_frac=inp.humidity_frac or 0.5),
        depth_24h_mm=fig("depth_24h_mm", "r·√f" if root else "r·f", depth, cure_rate_mm_24h=r, rate_factor=f),
        time_h=fig("time_h", "24·(path/r)²/f" if root else "24·(path/r)/f", time, cure_path_mm=path, cure_rate_mm_24h=r, rate_factor=f),
        skin_time_min=fig("skin_time_min", "reference/f", inp.skin_time_ref_min / f, skin_time_ref_min=inp.skin_time_ref_min, rate_factor=f),
        finding_ids=sorted([*cold, *(["fit-cure-path-long"] if path > LONG_MM + EPS else [])]),
    )
