"""Adhesive and sealant: area of the bond, length of the bead, packs (method roof.adhesive)."""

from __future__ import annotations

import math
from typing import Literal

from pydantic import Field

from bothy.core.contract import EPS, Contract, Outcome
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import roof_says as says

THIN_MM = 2.0
Section = Literal["flat", "fillet", "round"]


def section_mm2(section: Section, width_mm: float, thickness_mm: float) -> float:
    """Area across a bead in mm²."""
    if section == "fillet":
        return width_mm**2 / 2
    return math.pi * width_mm**2 / 4 if section == "round" else width_mm * thickness_mm


class AdhesiveNeedIn(Contract):
    shear_n: float = Field(0, ge=0, le=1e6)
    tension_n: float = Field(0, ge=0, le=1e6)
    shear_strength_mpa: float = Field(1.5, ge=0.05, le=50)
    tension_strength_mpa: float = Field(1.0, ge=0.05, le=50)
    safety_factor: float = Field(10, ge=1, le=50)
    section: Section = "flat"
    bead_width_mm: float = Field(ge=1, le=200)
    bead_thickness_mm: float = Field(3, ge=0.2, le=20)
    bead_length_m: float | None = Field(None, ge=0, le=500)
    waste_frac: float = Field(0.15, ge=0, le=2)
    pack_ml: float = Field(290, ge=10, le=25000)


class AdhesiveNeedOut(Outcome):
    area_required_mm2: float
    bead_length_required_m: float
    bead_length_used_m: float
    area_provided_mm2: float
    utilisation_frac: float | None
    volume_ml: float
    volume_with_waste_ml: float
    pack_count: int
    finding_ids: list[str]


def adhesive_need(inp: AdhesiveNeedIn, sources: dict[str, Figure] | None = None) -> AdhesiveNeedOut:
    """How much bond a load asks for, what a bead gives, and how many packs. Method: roof.adhesive."""
    area = inp.safety_factor * (inp.shear_n / inp.shear_strength_mpa + inp.tension_n / inp.tension_strength_mpa)
    needed = area / inp.bead_width_mm / 1000
    used = needed if inp.bead_length_m is None else inp.bead_length_m
    given_mm2 = inp.bead_width_mm * used * 1000
    volume = section_mm2(inp.section, inp.bead_width_mm, inp.bead_thickness_mm) * used
    loaded = inp.shear_n + inp.tension_n > 0
    found = []
    if area > given_mm2 * (1 + EPS) + EPS:
        found.append("fit-bond-area-short")
    if loaded and inp.section == "flat" and inp.bead_thickness_mm < THIN_MM - EPS:
        found.append("fit-bond-too-thin")

    def fig(key: str, expression: str, value: float, **inputs: float) -> Figure:
        return derived(key, expression, value, Method("roof.adhesive"), **inputs)

    waste = volume * (1 + inp.waste_frac)
    return AdhesiveNeedOut.of(
        area_required_mm2=fig(
            "area_required_mm2",
            "SF·(F_shear/τ + F_tension/σ)",
            area,
            safety_factor=inp.safety_factor,
            shear_n=inp.shear_n,
            tension_n=inp.tension_n,
            shear_strength_mpa=inp.shear_strength_mpa,
            tension_strength_mpa=inp.tension_strength_mpa,
        ),
        bead_length_required_m=fig("bead_length_required_m", "A/b", needed, area_required_mm2=area, bead_width_mm=inp.bead_width_mm),
        bead_length_used_m=fig("bead_length_used_m", says("given-else-required"), used, bead_length_required_m=needed),
        area_provided_mm2=fig("area_provided_mm2", "b·length", given_mm2, bead_width_mm=inp.bead_width_mm, bead_length_used_m=used),
        utilisation_frac=None
        if given_mm2 <= 0
        else fig("utilisation_frac", "required/provided", area / given_mm2, area_required_mm2=area, area_provided_mm2=given_mm2),
        volume_ml=fig("volume_ml", "section·length", volume, bead_width_mm=inp.bead_width_mm, bead_length_used_m=used),
        volume_with_waste_ml=fig("volume_with_waste_ml", "volume·(1 + waste)", waste, volume_ml=volume, waste_frac=inp.waste_frac),
        pack_count=fig("pack_count", "⌈volume/pack⌉", math.ceil(waste / inp.pack_ml - EPS), volume_with_waste_ml=waste, pack_ml=inp.pack_ml),
        finding_ids=found,
    )
