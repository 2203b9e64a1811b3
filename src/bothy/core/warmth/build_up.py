"""A build-up of layers: its U-value with gaps, voids and ribs, its mass and price (ISO 6946; method warmth.u-value)."""

from __future__ import annotations

import math
from typing import Any, Literal, Self

from pydantic import Field, model_validator

from bothy.core.catalogue.materials import Material, materials
from bothy.core.contract import Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method, Standard
from bothy.core.words.says import warmth_says as says

Direction = Literal["up", "horizontal", "down"]
R_SI: dict[str, float] = {"up": 0.10, "horizontal": 0.13, "down": 0.17}
R_SE = 0.04
DULL = 0.9
GAP_MM = (1.0, 300.0)
BREAK_MM = 13.0
"""How far steel spreads heat past a flange at the least."""


def outside_film(wind_speed_m_s: float | None) -> float:
    """R_se in m²K/W: 0.04, or by the wind."""
    return R_SE if wind_speed_m_s is None else 1 / (9 + 4 * wind_speed_m_s)


def gap_r(thickness_mm: float, direction: str, e1: float = DULL, e2: float = DULL) -> float:
    """Resistance of an unventilated air gap in m²K/W (ISO 6946)."""
    d = thickness_mm / 1000
    ha = {"horizontal": max(1.25, 0.025 / d), "up": max(1.95, 0.025 / d), "down": max(0.12 / math.pow(d, 0.44), 0.025 / d)}[direction]
    return 1 / (ha + 5.1 / (1 / e1 + 1 / e2 - 1))


class Layer(Contract):
    """One layer, from the inside on; see method warmth.heat-loss."""

    name: str | None = Field(None, max_length=200)
    type: Literal["solid", "air_gap"] = "solid"
    material: str | None = None
    thickness_mm: float = Field(-1, le=500)
    conductivity_w_mk: float | None = Field(None, gt=0, le=500)
    r_m2k_w: float | None = Field(None, ge=0, le=50)
    coverage_frac: float = Field(1, gt=0, le=1)
    density_kg_m3: float | None = Field(None, ge=0, le=20000)
    cost_per_m2: float = Field(0, ge=0)
    emissivity_1_frac: float = Field(DULL, gt=0, le=1)
    emissivity_2_frac: float = Field(DULL, gt=0, le=1)
    mu: float | None = Field(None, ge=1)
    sd_m: float | None = Field(None, ge=0)

    @model_validator(mode="after")
    def _known(self) -> Self:
        if self.material is not None and self.material not in materials():
            raise wrong("material", says("not-material-table", material=self.material))
        said = "thickness_mm" in self.model_fields_set
        t = self.thickness_mm
        if self.r_m2k_w is not None:
            if said and t < 0:
                raise wrong("thickness_mm", says("must-be-at-least"))
        elif not said:
            raise wrong("thickness_mm", says("required"))
        elif self.type == "air_gap" and not GAP_MM[0] <= t <= GAP_MM[1]:
            raise wrong("thickness_mm", says("air-gap-must-be"))
        elif t <= 0:
            raise wrong("thickness_mm", says("must-be-more-than"))
        if self.type == "solid" and self.r_m2k_w is None and self.conductivity_w_mk is None and self.material is None:
            raise wrong("conductivity_w_mk", says("required-where-neither-material"))
        return self

    @property
    def mm(self) -> float:
        """Thickness in mm."""
        return max(0.0, self.thickness_mm)

    @property
    def stuff(self) -> Material | None:
        """Its material of the table."""
        return materials()[self.material] if self.material is not None else None

    @property
    def called(self) -> str:
        """Its name, else its material, else what it is."""
        return self.name or self.material or self.type

    @property
    def conductivity(self) -> float | None:
        """λ where it is known."""
        return self.conductivity_w_mk if self.conductivity_w_mk is not None else self.stuff.conductivity_w_mk if self.stuff else None

    def resistance(self, direction: str) -> float:
        """m²K/W, after coverage."""
        if self.r_m2k_w is not None:
            r = self.r_m2k_w
        elif self.type == "air_gap":
            return gap_r(self.mm, direction, self.emissivity_1_frac, self.emissivity_2_frac)
        else:
            r = self.mm / 1000 / (self.conductivity or 1)
        return r * self.coverage_frac

    @property
    def mass(self) -> float:
        """kg/m²."""
        if self.type == "air_gap":
            return 0.0
        density = self.density_kg_m3 if self.density_kg_m3 is not None else self.stuff.density_kg_m3 if self.stuff else 0.0
        return density * self.mm / 1000 * self.coverage_frac

    @property
    def sd(self) -> float:
        """Equivalent air thickness for vapour in m (method warmth.condensation)."""
        if self.sd_m is not None:
            sd = self.sd_m
        elif self.mu is not None:
            sd = self.mu * self.mm / 1000
        elif self.type == "air_gap":
            sd = 0.01
        elif self.stuff is not None and self.stuff.sd_m is not None:
            sd = self.stuff.sd_m
        else:
            sd = (self.stuff.mu if self.stuff else 1.0) * self.mm / 1000
        return max(0.001, sd)


class Films(Contract):
    direction: Direction = "horizontal"
    rsi_m2k_w: float | None = Field(None, ge=0, le=2)
    wind_speed_m_s: float | None = Field(None, ge=0, le=40)

    @property
    def inside(self) -> float:
        """R_si in m²K/W."""
        return R_SI[self.direction] if self.rsi_m2k_w is None else self.rsi_m2k_w

    @property
    def outside(self) -> float:
        """R_se in m²K/W."""
        return outside_film(self.wind_speed_m_s)


class Rib(Contract):
    method: Literal["zone", "parallel"] = "zone"
    spacing_mm: float = Field(gt=0, le=5000)
    flange_width_mm: float = Field(gt=0, le=500)
    depth_mm: float = Field(40, gt=0, le=300)
    web_thickness_mm: float = Field(1, gt=0, le=20)
    web_count: Whole = Field(2, ge=1, le=4)
    cover_layers: list[Layer] = Field([], max_length=20)

    @model_validator(mode="after")
    def _room(self) -> Self:
        if self.zone_mm >= self.spacing_mm:
            raise wrong("spacing_mm", says("must-be-more-than-ribs", zone_mm=self.zone_mm))
        return self

    @property
    def zone_mm(self) -> float:
        """Width over which the rib draws heat."""
        return self.flange_width_mm + (2 * max(BREAK_MM, sum(x.mm for x in self.cover_layers)) if self.method == "zone" else 0.0)


class UValueIn(Films):
    layers: list[Layer] = Field(min_length=1, max_length=40)
    void_frac: float = Field(0, ge=0, le=0.5)
    rib: Rib | None = None


class UValueOut(Outcome):
    u_value_w_m2k: float
    r_total_m2k_w: float
    u_clear_w_m2k: float
    u_void_w_m2k: float
    u_rib_w_m2k: float | None
    rib_area_frac: float
    rib_share_frac: float
    thickness_mm: float
    mass_kg_m2: float
    cost_per_m2: float
    r_layers_m2k_w: list[float]


def _void_r(x: Layer, direction: str, r: float) -> float:
    known = x.conductivity if x.type == "solid" else None
    return gap_r(min(GAP_MM[1], x.mm), direction) if known is not None and known < 0.06 and x.mm >= 1 else r


def u_value(inp: UValueIn, sources: dict[str, Figure] | None = None) -> UValueOut:
    """U-value of a build-up with its weak places, W/(m²K). Method: warmth.u-value."""
    rs = [x.resistance(inp.direction) for x in inp.layers]
    films = {"rsi_m2k_w": inp.inside, "rse_m2k_w": inp.outside}
    named: dict[str, Any] = {}
    for x, r in zip(inp.layers, rs, strict=True):
        key = f"r_{x.called}_m2k_w"
        named[key if key not in named else f"{key[:-7]}_{len(named)}_m2k_w"] = r
    ends = inp.inside + inp.outside
    clear = derived("u_clear_w_m2k", "1/(R_si + ΣR + R_se)", 1 / (ends + sum(rs)), Method("warmth.u-value") + Standard("ISO 6946"), **films, **named)
    void = 1 / (ends + sum(_void_r(x, inp.direction, r) for x, r in zip(inp.layers, rs, strict=True)))
    bay = (1 - inp.void_frac) * clear.value + inp.void_frac * void
    u, f, share = bay, 0.0, 0.0
    u_rib: Figure | None = None
    if inp.rib is not None:
        b = inp.rib
        w = b.zone_mm / 1000
        r_rib = b.depth_mm / 1000 * w / (50 * b.web_count * b.web_thickness_mm / 1000)
        cover = sum(x.resistance(inp.direction) for x in b.cover_layers)
        u_rib = derived(
            "u_rib_w_m2k",
            "1/(R_si + ΣR_cover + depth·w/(50·webs·t) + R_se)",
            1 / (ends + cover + r_rib),
            Method("warmth.u-value", "steel referred to its zone") + Standard("ISO 6946"),
            r_cover_m2k_w=cover,
            r_rib_m2k_w=r_rib,
            zone_mm=b.zone_mm,
            **films,
        )
        f = b.zone_mm / b.spacing_mm
        u = (1 - f) * bay + f * u_rib.value
        share = f * u_rib.value / u
    parts: dict[str, Any] = {"u_clear_w_m2k": clear, "u_void_w_m2k": void, "void_frac": inp.void_frac}
    if u_rib is not None:
        parts |= {"u_rib_w_m2k": u_rib, "rib_area_frac": f}
    whole = derived(
        "u_value_w_m2k",
        "(1−f)·[(1−v)·U_clear + v·U_void] + f·U_rib" if u_rib else "(1−v)·U_clear + v·U_void",
        u,
        Method("warmth.u-value") + Standard("ISO 6946"),
        **parts,
    )
    return UValueOut.of(
        u_value_w_m2k=whole,
        r_total_m2k_w=derived("r_total_m2k_w", "1/U", 1 / u, Method("warmth.u-value", "definition"), u_value_w_m2k=whole),
        u_clear_w_m2k=clear,
        u_void_w_m2k=derived("u_void_w_m2k", says("as-clear-insulation-replaced"), void, Method("warmth.u-value"), **films),
        u_rib_w_m2k=u_rib,
        rib_area_frac=derived("rib_area_frac", "zone/spacing", f, Method("warmth.u-value")),
        rib_share_frac=derived("rib_share_frac", "f·U_rib/U", share, Method("warmth.u-value"), u_value_w_m2k=whole, rib_area_frac=f),
        thickness_mm=derived("thickness_mm", "Σ d", sum(x.mm for x in inp.layers), Method("warmth.u-value", "sum of the layers")),
        mass_kg_m2=derived("mass_kg_m2", "Σ ρ·d·coverage", sum(x.mass for x in inp.layers), Method("warmth.u-value", "sum of the layers")),
        cost_per_m2=derived(
            "cost_per_m2", "Σ cost·coverage", sum(x.cost_per_m2 * x.coverage_frac for x in inp.layers), Method("warmth.u-value", "sum of the layers")
        ),
        r_layers_m2k_w=rs,
    )


VOID_MM = 5.0


def curve_void_mm(strip_mm: float, radius_m: float) -> float:
    """How far a flat board stands off a curved panel in its middle, mm (method warmth.u-value)."""
    return math.pow(strip_mm / 1000, 2) / (8 * radius_m) * 1000
