"""How full a conduit is, and which size it should have (method wiring.conduit)."""

from __future__ import annotations

import math
from typing import ClassVar, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, Whole, next_size, wrong
from bothy.core.figure import Figure, derived, formula, given
from bothy.core.method.sources import Method
from bothy.core.wiring.conductors import Awg, row_of
from bothy.core.words.says import wiring_says as says

STOCK_MM = (4.5, 7.5, 10.0, 13.0, 17.0, 22.0, 26.0, 29.0, 37.0, 50.0)
"""Inner diameters of split or convoluted tube, typical."""


class ConduitCable(Contract):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (("outer_diameter_mm", "area_mm2", "awg"),)
    outer_diameter_mm: float | None = Field(None, gt=0, le=200)
    area_mm2: float | None = Field(None, ge=0.5, le=120)
    awg: Awg | None = None
    count: Whole = Field(1, ge=1, le=1000)

    @model_validator(mode="after")
    def _one(self) -> Self:
        self.exactly_one(*self.ONE_OF[0])
        return self

    @property
    def od_mm(self) -> float:
        """Outside diameter in mm: given, or of the table's thin-wall single core."""
        return self.outer_diameter_mm if self.outer_diameter_mm is not None else row_of(self.area_mm2, self.awg)[1].od_mm


class ConduitFillIn(Contract):
    inner_diameter_mm: float | None = Field(None, gt=0, le=1000)
    width_mm: float | None = Field(None, gt=0, le=1000)
    height_mm: float | None = Field(None, gt=0, le=1000)
    cables: list[ConduitCable] = Field(min_length=1)
    max_fill_frac: float | None = Field(None, gt=0, le=1)

    @model_validator(mode="after")
    def _shape(self) -> Self:
        trunking = self.width_mm is not None or self.height_mm is not None
        if trunking == (self.inner_diameter_mm is not None):
            raise wrong("inner_diameter_mm", says("give-inner-diameter-for"))
        if trunking and (self.width_mm is None or self.height_mm is None):
            raise wrong("height_mm" if self.height_mm is None else "width_mm", says("trunking-needs-width-and"))
        return self


class ConduitFillOut(Outcome):
    cable_count: int
    cable_area_mm2: float
    inside_area_mm2: float
    fill_frac: float
    limit_frac: float
    ok: bool
    required_inner_diameter_mm: float
    suggested_inner_diameter_mm: float | None
    jam_ratio: float | None
    jam_risk: bool


@formula(says("fill"), "Σ π/4·od²/inside area", unit="%", source=Method("wiring.conduit"))
def fill(cable_area_mm2: float, inside_area_mm2: float) -> float:
    return cable_area_mm2 / inside_area_mm2


@formula(says("least-inside-diameter"), "max(√(4·Σ/(π·limit)), thickest cable)", unit="mm", source=Method("wiring.conduit"))
def least_diameter(cable_area_mm2: float, limit_frac: float, thickest_mm: float) -> float:
    return max(math.sqrt(4 * cable_area_mm2 / (math.pi * limit_frac)), thickest_mm)


def fill_limit(cable_count: int) -> float:
    """How full a conduit may be by the number of cables (NFPA 70 chapter 9)."""
    return {1: 0.53, 2: 0.31}.get(cable_count, 0.40)


def conduit_fill(inp: ConduitFillIn, sources: dict[str, Figure] | None = None) -> ConduitFillOut:
    """Fill of a pipe or trunking, the size it needs, and whether three equal cables can wedge. Method: wiring.conduit."""
    g = Given(inp, sources)
    count = sum(c.count for c in inp.cables)
    thickest = max(c.od_mm for c in inp.cables)
    cables = derived(
        "cable_area_mm2",
        "Σ n·π/4·od²",
        sum(c.count * math.pi / 4 * c.od_mm**2 for c in inp.cables),
        Method("wiring.conduit", "outside of the insulation"),
        **{f"od_{i}_mm": c.od_mm for i, c in enumerate(inp.cables, 1)},
    )
    if inp.inner_diameter_mm is not None:
        narrowest = inp.inner_diameter_mm
        inside = derived(
            "inside_area_mm2", "π/4·d²", math.pi / 4 * narrowest**2, Method("wiring.conduit", "geometry"), inner_diameter_mm=g("inner_diameter_mm")
        )
    else:
        assert inp.width_mm is not None
        assert inp.height_mm is not None
        narrowest = min(inp.width_mm, inp.height_mm)
        inside = derived(
            "inside_area_mm2", "w·h", inp.width_mm * inp.height_mm, Method("wiring.conduit", "geometry"), width_mm=g("width_mm"), height_mm=g("height_mm")
        )
    limit = g("max_fill_frac") if inp.max_fill_frac is not None else given("limit_frac", fill_limit(count), "table", says("nfpa-chapter-by-number"))
    filled = fill(cables, inside)
    least = least_diameter(cables, limit, thickest)
    three_equal = count == 3 and inp.inner_diameter_mm is not None and all(abs(c.od_mm - thickest) < EPS for c in inp.cables)
    jam = (
        derived(
            "jam_ratio",
            "D/d",
            narrowest / thickest,
            Method("wiring.conduit", "three equal cables wedge at 2.8 to 3.2"),
            inner_diameter_mm=narrowest,
            od_mm=thickest,
        )
        if three_equal
        else None
    )
    return ConduitFillOut.of(
        cable_count=derived("cable_count", "Σ", count, Method("wiring.conduit", "definition")),
        cable_area_mm2=cables,
        inside_area_mm2=inside,
        fill_frac=filled,
        limit_frac=limit,
        ok=filled.value <= limit.value + EPS and thickest <= narrowest + EPS,
        required_inner_diameter_mm=least,
        suggested_inner_diameter_mm=derived(
            "suggested_inner_diameter_mm",
            says("next-stock-size"),
            stock,
            Method("wiring.conduit", "typical sizes of split tube"),
            required_inner_diameter_mm=least,
        )
        if (stock := next_size(STOCK_MM, least.value)) is not None
        else None,
        jam_ratio=jam,
        jam_risk=jam is not None and 2.8 - EPS <= jam.value <= 3.2 + EPS,
    )


def too_full(out: ConduitFillOut, inside: str, listed: str = "") -> str:
    """What is wrong with a fill that is not allowed: how much its cables (``listed`` by name) take of what is ``inside``, and what they need."""
    one = out.cable_count == 1
    cables = f"{'one cable' if one else f'{out.cable_count} cables'}{listed and f' ({listed})'}"
    end = "." if out.suggested_inner_diameter_mm else says("more-than-any-usual")
    return says(
        "takes-allowed-at-most",
        cables=cables,
        one=bool(one),
        fill_frac=out.fill_frac,
        inside=inside,
        limit_frac=out.limit_frac,
        required_inner_diameter_mm=out.required_inner_diameter_mm,
        end=end,
    )
