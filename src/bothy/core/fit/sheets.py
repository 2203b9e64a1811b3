"""What sheets weigh, what cut-outs save, and how many sheets and battens to buy (method fit.sheets)."""

from __future__ import annotations

import math
from typing import Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, Whole, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import fit_says as says

SheetMaterial = Literal[
    "birch_ply",
    "poplar_ply",
    "softwood_ply",
    "mdf",
    "osb",
    "softwood",
    "hardwood",
    "bamboo_ply",
    "honeycomb_panel",
    "pir_foam",
    "xps_foam",
    "eps_foam",
    "nitrile_foam",
    "wool",
    "mineral_wool",
    "cork",
    "aluminium",
    "steel",
    "stainless",
    "grp",
    "acrylic",
    "polycarbonate",
    "glass",
    "vinyl_floor",
    "rubber_mat",
    "laminate_hpl",
]
DENSITY: dict[str, float] = {
    "birch_ply": 680,
    "poplar_ply": 450,
    "softwood_ply": 550,
    "mdf": 750,
    "osb": 630,
    "softwood": 480,
    "hardwood": 700,
    "bamboo_ply": 700,
    "honeycomb_panel": 90,
    "pir_foam": 32,
    "xps_foam": 33,
    "eps_foam": 18,
    "nitrile_foam": 60,
    "wool": 18,
    "mineral_wool": 30,
    "cork": 130,
    "aluminium": 2700,
    "steel": 7850,
    "stainless": 7950,
    "grp": 1700,
    "acrylic": 1190,
    "polycarbonate": 1200,
    "glass": 2500,
    "vinyl_floor": 1400,
    "rubber_mat": 1200,
    "laminate_hpl": 1400,
}
"""kg/m³, typical."""


class PieceIn(Contract):
    id: str = Field(min_length=1, max_length=200)
    material: SheetMaterial | None = None
    density_kg_m3: float | None = Field(None, ge=1, le=25000)
    area_m2: float | None = Field(None, gt=0, le=500)
    length_m: float | None = Field(None, gt=0, le=50)
    width_m: float | None = Field(None, gt=0, le=50)
    thickness_mm: float = Field(gt=0, le=500)
    cutout_area_m2: float = Field(0, ge=0)
    count: Whole = Field(1, ge=1, le=10000)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.material is None and self.density_kg_m3 is None:
            raise wrong("material", says("give-material-or-density"))
        if self.area_m2 is None:
            for key in ("length_m", "width_m"):
                if getattr(self, key) is None:
                    raise wrong(key, says("required-where-area-not"))
        if self.cutout_area_m2 > self.area + EPS:
            raise wrong("cutout_area_m2", says("more-than-piece-has", area_m2=self.area))
        return self

    @property
    def area(self) -> float:
        """Area of one piece in m²."""
        return self.area_m2 if self.area_m2 is not None else (self.length_m or 0.0) * (self.width_m or 0.0)

    @property
    def surface_kg_m2(self) -> float:
        """Mass of a square metre."""
        density = self.density_kg_m3 if self.density_kg_m3 is not None else DENSITY[self.material or ""]
        return density * self.thickness_mm / 1000


class SheetMassIn(Contract):
    pieces: list[PieceIn] = Field(min_length=1, max_length=500)

    @model_validator(mode="after")
    def _unique(self) -> Self:
        unique_ids(p.id for p in self.pieces)
        return self


class PieceOut(BaseModel):
    id: str
    mass_kg: float
    saved_kg: float
    surface_kg_m2: float


class SheetMassOut(Outcome):
    mass_kg: float
    saved_kg: float
    pieces: list[PieceOut]


def sheet_mass(inp: SheetMassIn, sources: dict[str, Figure] | None = None) -> SheetMassOut:
    """Mass of cut pieces, and what their cut-outs save. Method: fit.sheets."""
    rows = [
        PieceOut(
            id=p.id,
            mass_kg=p.surface_kg_m2 * (p.area - p.cutout_area_m2) * p.count,
            saved_kg=p.surface_kg_m2 * p.cutout_area_m2 * p.count,
            surface_kg_m2=p.surface_kg_m2,
        )
        for p in inp.pieces
    ]
    return SheetMassOut.of(
        mass_kg=derived(
            "mass_kg", "Σ ρ·t·(area − cut-out)·count", sum(r.mass_kg for r in rows), Method("fit.sheets"), **{f"{r.id}_kg": r.mass_kg for r in rows[:20]}
        ),
        saved_kg=derived(
            "saved_kg", "Σ ρ·t·cut-out·count", sum(r.saved_kg for r in rows), Method("fit.sheets"), **{f"{r.id}_kg": r.saved_kg for r in rows[:20]}
        ),
        pieces=rows,
    )


class SheetCountIn(Contract):
    area_m2: float = Field(gt=0, le=1000)
    sheet_length_m: float = Field(2.44, ge=0.1, le=10)
    sheet_width_m: float = Field(1.22, ge=0.1, le=5)
    waste_frac: float = Field(0.15, ge=0, le=2)
    batten_run_m: float | None = Field(None, gt=0, le=100)
    batten_length_m: float | None = Field(None, gt=0, le=20)
    batten_spacing_m: float = Field(0.4, ge=0.05, le=3)
    stock_length_m: float = Field(2.4, ge=0.1, le=20)
    kerf_m: float = Field(0.003, ge=0, le=0.02)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.batten_run_m is not None and self.batten_length_m is None:
            raise wrong("batten_length_m", says("required-where-batten-run"))
        return self


class SheetCountOut(Outcome):
    gross_area_m2: float
    sheet_count: int
    batten_count: int | None
    batten_length_m: float | None
    stock_count: int | None


def battens(run: float, length: float, spacing: float, stock: float, kerf: float) -> tuple[int, int]:
    """How many battens at a spacing over a run, and how many stock lengths they take."""
    count = math.ceil(run / spacing - EPS) + 1
    if length > stock + EPS:
        return count, count * math.ceil(length / stock - EPS)
    return count, math.ceil(count / math.floor((stock + kerf) / (length + kerf) + EPS) - EPS)


def sheet_count(inp: SheetCountIn, sources: dict[str, Figure] | None = None) -> SheetCountOut:
    """Sheets for an area with waste; battens and their stock. Method: fit.sheets."""
    gross = inp.area_m2 * (1 + inp.waste_frac)
    one = inp.sheet_length_m * inp.sheet_width_m
    some = None
    if inp.batten_run_m is not None and inp.batten_length_m is not None:
        some = battens(inp.batten_run_m, inp.batten_length_m, inp.batten_spacing_m, inp.stock_length_m, inp.kerf_m)
    return SheetCountOut.of(
        gross_area_m2=derived("gross_area_m2", "area·(1 + waste)", gross, Method("fit.sheets"), area_m2=inp.area_m2, waste_frac=inp.waste_frac),
        sheet_count=derived("sheet_count", "⌈gross/sheet⌉", math.ceil(gross / one - EPS), Method("fit.sheets"), gross_area_m2=gross, sheet_area_m2=one),
        batten_count=None
        if some is None
        else derived(
            "batten_count", "⌈run/spacing⌉ + 1", some[0], Method("fit.sheets"), batten_run_m=inp.batten_run_m or 0.0, batten_spacing_m=inp.batten_spacing_m
        ),
        batten_length_m=None
        if some is None
        else derived(
            "batten_length_m",
            "count·length",
            some[0] * (inp.batten_length_m or 0.0),
            Method("fit.sheets"),
            batten_count=some[0],
            length_m=inp.batten_length_m or 0.0,
        ),
        stock_count=None
        if some is None
        else derived(
            "stock_count",
            "⌈count/⌊(stock + kerf)/(length + kerf)⌋⌉, or whole stocks for each",
            some[1],
            Method("fit.sheets"),
            stock_length_m=inp.stock_length_m,
            length_m=inp.batten_length_m or 0.0,
            kerf_m=inp.kerf_m,
        ),
    )
