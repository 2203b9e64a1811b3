"""Flow in round pipes, the same for water and gas: velocity, Reynolds number, friction, local losses (methods water.pipe-loss, gas.pipe-drop)."""

from __future__ import annotations

import math
from collections.abc import Mapping

from pydantic import Field

from bothy.core.contract import Contract, Whole, wrong
from bothy.core.figure import formula
from bothy.core.method.sources import Method
from bothy.core.words.says import core_says as says

SMOOTH_MM = 0.0015
"""Wall roughness of plastic and drawn copper in mm."""
LAMINAR, TURBULENT = 2300.0, 4000.0
STILL = 1e-9
"""Reynolds number under which nothing flows: 64/Re would grow beyond all numbers while the loss goes to nothing."""


def friction(reynolds: float, relative_roughness: float) -> float:
    """Darcy friction factor: 64/Re, Swamee-Jain, and a straight line between; 0 where nothing flows."""
    if reynolds <= STILL:
        return 0.0
    if reynolds <= LAMINAR:
        return 64 / reynolds
    re = max(reynolds, TURBULENT)
    f = 0.25 / math.log10(relative_roughness / 3.7 + 5.74 / re**0.9) ** 2
    if reynolds >= TURBULENT:
        return f
    low = 64 / LAMINAR
    return low + (f - low) * (reynolds - LAMINAR) / (TURBULENT - LAMINAR)


def area_m2(diameter_mm: float) -> float:
    """Free area of a round bore in m²."""
    return math.pi * (diameter_mm / 1000) ** 2 / 4


@formula(says("velocity"), "Q/A", unit="m/s", source=Method("water.pipe-loss", "continuity"))
def velocity(flow_m3_s: float, inner_diameter_mm: float) -> float:
    return flow_m3_s / area_m2(inner_diameter_mm)


@formula(says("reynolds-number"), "ρ·v·D/μ", unit="", source=Method("water.pipe-loss", "definition"))
def reynolds_number(density_kg_m3: float, velocity_m_s: float, inner_diameter_mm: float, viscosity_upas: float) -> float:
    return density_kg_m3 * velocity_m_s * inner_diameter_mm / 1000 / (viscosity_upas * 1e-6)


@formula(
    says("friction-factor"),
    "64/Re; 0.25/[log₁₀(k/(3.7D) + 5.74/Re^0.9)]²; a straight line between 2300 and 4000",
    unit="",
    source=Method("water.pipe-loss", "Hagen-Poiseuille, Swamee-Jain"),
)
def friction_factor(reynolds: float, inner_diameter_mm: float, roughness_mm: float) -> float:
    return friction(reynolds, roughness_mm / inner_diameter_mm)


@formula(says("pipes-loss"), "f·(L/D)·½ρv²", unit="Pa", source=Method("water.pipe-loss", "Darcy-Weisbach"))
def pipe_loss(friction_factor: float, length_m: float, inner_diameter_mm: float, density_kg_m3: float, velocity_m_s: float) -> float:
    return friction_factor * length_m / (inner_diameter_mm / 1000) * density_kg_m3 * velocity_m_s**2 / 2


@formula(says("fittings-loss"), "K·½ρv²", unit="Pa", source=Method("water.pipe-loss", "local losses"))
def fittings_loss(k_total: float, density_kg_m3: float, velocity_m_s: float) -> float:
    return k_total * density_kg_m3 * velocity_m_s**2 / 2


def loss_pa(flow_m3_s: float, diameter_mm: float, length_m: float, k: float, rho: float, mu: float, roughness_mm: float = SMOOTH_MM) -> float:
    """Friction and fittings of a run in Pa, without working, for inner loops; ``mu`` in Pa·s."""
    if flow_m3_s <= 0:
        return 0.0
    d = diameter_mm / 1000
    v = flow_m3_s / area_m2(diameter_mm)
    return (friction(rho * v * d / mu, roughness_mm / diameter_mm) * length_m / d + k) * rho * v * v / 2


class Run(Contract):
    """A run of pipe as the calculators take it."""

    inner_diameter_mm: float = Field(ge=2, le=150)
    length_m: float = Field(ge=0, le=200)
    fittings: dict[str, Whole] = {}
    extra_k: float = Field(0, ge=0, le=1000)


def check_fittings(fittings: Mapping[str, int], known: Mapping[str, float]) -> None:
    """Refuse a fitting that the table doesn't have, or an impossible count."""
    for name, count in fittings.items():
        if name not in known:
            raise wrong("fittings", says("not-known-fitting-known", name=name, known=", ".join(known)))
        if not 0 <= count <= 100:
            raise wrong("fittings", says("must-come-to-times", name=name))


def k_of(fittings: Mapping[str, int], known: Mapping[str, float], extra: float = 0.0) -> float:
    """Sum of the local loss coefficients."""
    return sum(known[name] * count for name, count in fittings.items()) + extra
