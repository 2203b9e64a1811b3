"""The switch panel's plate: does everything fit, with its switches strong enough (method wiring.panel)."""

from __future__ import annotations

import math
from typing import Any, ClassVar, Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import wiring_says as says

SWITCH_MARGIN_FRAC = 0.8
PanelCode = Literal["outside_panel", "edge_margin", "depth", "switch_overload", "switch_margin", "overlap", "gap"]


class PanelItem(Contract):
    """A cut-out with its front. Origin bottom left of the plate, x right, y up, in mm."""

    id: str = Field(min_length=1, max_length=200)
    shape: Literal["circle", "rect"]
    x_mm: float = Field(ge=-10000, le=10000)
    y_mm: float = Field(ge=-10000, le=10000)
    diameter_mm: float | None = Field(None, gt=0, le=1000)
    width_mm: float | None = Field(None, gt=0, le=1000)
    height_mm: float | None = Field(None, gt=0, le=1000)
    bezel_diameter_mm: float | None = Field(None, gt=0, le=1000)
    bezel_width_mm: float | None = Field(None, gt=0, le=1000)
    bezel_height_mm: float | None = Field(None, gt=0, le=1000)
    depth_mm: float | None = Field(None, ge=0, le=1000)
    switch_rating_a: float | None = Field(None, gt=0, le=5000)
    circuit_current_a: float | None = Field(None, ge=0, le=5000)

    @model_validator(mode="after")
    def _shape(self) -> Self:
        needed, others = (("diameter_mm",), ("width_mm", "height_mm")) if self.shape == "circle" else (("width_mm", "height_mm"), ("diameter_mm",))
        for key in needed:
            if getattr(self, key) is None:
                raise wrong(key, says("required-for", shape=self.shape))
        for key in (*others, *(f"bezel_{k}" for k in others)):
            if getattr(self, key) is not None:
                raise wrong(key, says("does-not-go-with", shape=self.shape))
        for key in needed:
            bezel = getattr(self, f"bezel_{key}")
            if bezel is not None and bezel < getattr(self, key) - EPS:
                raise wrong(f"bezel_{key}", says("must-be-at-least-cut", getattr_mm=getattr(self, key)))
        return self

    @property
    def radius_mm(self) -> float:
        """Radius of the outline of a circle; 0 for a rectangle."""
        return (self.bezel_diameter_mm or self.diameter_mm or 0.0) / 2

    @property
    def half_mm(self) -> tuple[float, float]:
        """Half the outline of a rectangle; 0 for a circle."""
        return (self.bezel_width_mm or self.width_mm or 0.0) / 2, (self.bezel_height_mm or self.height_mm or 0.0) / 2

    @property
    def outline_mm2(self) -> float:
        """Area of the outline in mm²."""
        w, h = self.half_mm
        return math.pi * self.radius_mm**2 if self.shape == "circle" else 4 * w * h


class SwitchPanelLayoutIn(Contract):
    width_mm: float = Field(gt=0, le=10000)
    height_mm: float = Field(gt=0, le=10000)
    margin_mm: float = Field(10, ge=0, le=1000)
    min_gap_mm: float = Field(5, ge=0, le=1000)
    depth_available_mm: float | None = Field(None, ge=0, le=10000)
    connection_clearance_mm: float = Field(25, ge=0, le=1000)
    items: list[PanelItem] = Field(min_length=1, max_length=150)

    @model_validator(mode="after")
    def _ids(self) -> Self:
        unique_ids(i.id for i in self.items)
        return self


class PanelViolation(Outcome):
    ABSENT_WHEN_NULL: ClassVar[tuple[str, ...]] = ("other", "value_mm", "value_a")
    code: PanelCode
    subject: str
    other: str | None = None
    value_mm: float | None = None
    value_a: float | None = None


class SwitchPanelLayoutOut(Outcome):
    ok: bool
    violation_count: int
    violations: list[PanelViolation]
    smallest_edge_mm: float
    smallest_gap_mm: float | None
    used_area_frac: float

    def dump(self) -> dict[str, Any]:
        return {**super().dump(), "violations": [v.dump() for v in self.violations]}


def edge_distance(item: PanelItem, width_mm: float, height_mm: float) -> float:
    """Least distance of an outline to the four edges in mm; negative outside."""
    w, h = item.half_mm
    r = item.radius_mm
    return min(item.x_mm - w, width_mm - item.x_mm - w, item.y_mm - h, height_mm - item.y_mm - h) - r


def gap(a: PanelItem, b: PanelItem) -> float:
    """Gap between two outlines in mm; negative where they overlap."""
    (aw, ah), (bw, bh) = a.half_mm, b.half_mm
    ex, ey = abs(a.x_mm - b.x_mm) - aw - bw, abs(a.y_mm - b.y_mm) - ah - bh
    r = a.radius_mm + b.radius_mm
    if ex <= 0 and ey <= 0:
        return max(ex, ey) - r
    return math.hypot(max(ex, 0.0), max(ey, 0.0)) - r


def grid_fit(span_mm: float, item_mm: float, gap_mm: float, margin_mm: float) -> int:
    """How many items of one size fit in a row of a plate: ⌊(W − 2m + g)/(w + g)⌋."""
    return max(0, math.floor((span_mm - 2 * margin_mm + gap_mm) / (item_mm + gap_mm) + EPS))


def _item_violations(inp: SwitchPanelLayoutIn, item: PanelItem, edge: float) -> list[PanelViolation]:
    out: list[PanelViolation] = []
    if edge < inp.margin_mm - EPS:
        out.append(PanelViolation.of(code="outside_panel" if edge < -EPS else "edge_margin", subject=item.id, value_mm=edge))
    if inp.depth_available_mm is not None and item.depth_mm is not None:
        excess = item.depth_mm + inp.connection_clearance_mm - inp.depth_available_mm
        if excess > EPS:
            out.append(PanelViolation.of(code="depth", subject=item.id, value_mm=excess))
    if item.switch_rating_a is not None and item.circuit_current_a is not None:
        amps, rating = item.circuit_current_a, item.switch_rating_a
        if amps > SWITCH_MARGIN_FRAC * rating + EPS:
            out.append(PanelViolation.of(code="switch_overload" if amps > rating + EPS else "switch_margin", subject=item.id, value_a=amps))
    return out


def switch_panel_layout(inp: SwitchPanelLayoutIn, sources: dict[str, Figure] | None = None) -> SwitchPanelLayoutOut:
    """Edges, gaps, depth and switch ratings of a plate; only a thin switch margin leaves it ``ok``. Method: wiring.panel."""
    edges = {i.id: edge_distance(i, inp.width_mm, inp.height_mm) for i in inp.items}
    violations = [v for i in inp.items for v in _item_violations(inp, i, edges[i.id])]
    gaps: dict[str, float] = {}
    for n, a in enumerate(inp.items):
        for b in inp.items[n + 1 :]:
            g = gaps[f"{a.id} to {b.id}"] = gap(a, b)
            if g < inp.min_gap_mm - EPS:
                violations.append(PanelViolation.of(code="overlap" if g < -EPS else "gap", subject=a.id, other=b.id, value_mm=g))
    used = sum(i.outline_mm2 for i in inp.items)
    return SwitchPanelLayoutOut.of(
        ok=all(v.code == "switch_margin" for v in violations),
        violation_count=derived("violation_count", says("number-what-wrong-or"), len(violations), Method("wiring.panel")),
        violations=violations,
        smallest_edge_mm=derived(
            "smallest_edge_mm",
            says("least-distance-outline-to"),
            min(edges.values()),
            Method("wiring.panel"),
            **{f"{k}_mm": e for k, e in edges.items()},
        ),
        smallest_gap_mm=derived("smallest_gap_mm", says("least-gap-between-two"), min(gaps.values()), Method("wiring.panel")) if gaps else None,
        used_area_frac=derived(
            "used_area_frac",
            "Σ outlines/plate",
            used / (inp.width_mm * inp.height_mm),
            Method("wiring.panel", "geometry"),
            outlines_mm2=used,
            width_mm=inp.width_mm,
            height_mm=inp.height_mm,
        ),
    )
