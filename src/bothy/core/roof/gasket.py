"""A roof unit's gasket on ribs: what to trim, and how thick the roof must be for its clamp (method roof.gasket)."""

from __future__ import annotations

from typing import Annotated, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import roof_says as says


class GasketTrimIn(Contract):
    gasket_thickness_mm: float = Field(ge=3, le=100)
    target_compression_frac: float = Field(0.4, ge=0.1, le=0.7)
    max_compression_frac: float = Field(0.5, ge=0, le=0.9)
    min_remaining_mm: float = Field(6, ge=0, le=50)
    rib_heights_mm: list[Annotated[float, Field(ge=0, le=100)]] = Field([], max_length=100)
    roof_thickness_mm: float | None = Field(None, gt=0, le=300)
    clamp_min_mm: float | None = Field(None, ge=0, le=300)
    clamp_max_mm: float | None = Field(None, ge=0, le=300)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.max_compression_frac < self.target_compression_frac - EPS:
            raise wrong("max_compression_frac", says("must-be-at-least-target", target_compression_frac=self.target_compression_frac))
        if self.min_remaining_mm >= self.gasket_thickness_mm:
            raise wrong("min_remaining_mm", says("must-be-less-than", gasket_thickness_mm=self.gasket_thickness_mm))
        if self.clamp_min_mm is not None and self.clamp_max_mm is not None and self.clamp_max_mm < self.clamp_min_mm:
            raise wrong("clamp_max_mm", says("must-be-at-least-clamp", clamp_min_mm=self.clamp_min_mm))
        return self


class RibOut(BaseModel):
    height_mm: float
    trim_mm: float | None
    remaining_mm: float | None
    compression_frac: float | None
    too_high: bool


class GasketTrimOut(Outcome):
    seat_gap_mm: float
    rib_allowed_mm: float
    rib_trim_limit_mm: float
    ribs: list[RibOut]
    clamp_packing_mm: float | None
    finding_ids: list[str]


def gasket_trim(inp: GasketTrimIn, sources: dict[str, Figure] | None = None) -> GasketTrimOut:
    """What a gasket is trimmed by at each rib, and the packing of the clamp. Method: roof.gasket."""
    t, c = inp.gasket_thickness_mm, inp.target_compression_frac
    seat = t * (1 - c)
    allowed, limit = t * (inp.max_compression_frac - c), (t - inp.min_remaining_mm) * (1 - c)
    ribs, found = [], set[str]()
    for h in inp.rib_heights_mm:
        if h <= allowed + EPS:
            ribs.append(RibOut(height_mm=h, trim_mm=0.0, remaining_mm=t, compression_frac=1 - (seat - h) / t, too_high=False))
        elif h <= limit + EPS:
            trim = h / (1 - c)
            ribs.append(RibOut(height_mm=h, trim_mm=trim, remaining_mm=t - trim, compression_frac=c, too_high=False))
            found.add("fit-gasket-trim")
        else:
            ribs.append(RibOut(height_mm=h, trim_mm=None, remaining_mm=None, compression_frac=None, too_high=True))
            found.add("fit-rib-too-high")
    packing = None
    if inp.roof_thickness_mm is not None:
        if inp.clamp_min_mm is not None:
            packing = max(0.0, inp.clamp_min_mm - inp.roof_thickness_mm)
            if packing > EPS:
                found.add("fit-clamp-packing")
        if inp.clamp_max_mm is not None and inp.roof_thickness_mm > inp.clamp_max_mm + EPS:
            found.add("fit-clamp-too-thick")

    def fig(key: str, expression: str, value: float, **inputs: float) -> Figure:
        return derived(key, expression, value, Method("roof.gasket"), **inputs)

    squeeze = {"gasket_thickness_mm": t, "target_compression_frac": c}
    return GasketTrimOut.of(
        seat_gap_mm=fig("seat_gap_mm", "t·(1 − c)", seat, **squeeze),
        rib_allowed_mm=fig("rib_allowed_mm", "t·(c_max − c)", allowed, **squeeze, max_compression_frac=inp.max_compression_frac),
        rib_trim_limit_mm=fig("rib_trim_limit_mm", "(t − rest)·(1 − c)", limit, **squeeze, min_remaining_mm=inp.min_remaining_mm),
        ribs=ribs,
        clamp_packing_mm=None
        if packing is None
        else fig(
            "clamp_packing_mm",
            "max(0, clamp_min − roof)",
            packing,
            clamp_min_mm=inp.clamp_min_mm or 0.0,
            roof_thickness_mm=inp.roof_thickness_mm or 0.0,
        ),
        finding_ids=sorted(found),
    )
