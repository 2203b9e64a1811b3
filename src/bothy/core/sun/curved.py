"""A panel on a curved roof: each strip sees another sky, and in series the worst one governs (method trips.direction)."""

from __future__ import annotations

import math
from typing import Self

import numpy as np
from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.sun.plane import incidence, onto
from bothy.core.words.says import sun_says as says

HERE = Method("trips.direction")


class CurvedPanelFactorIn(Contract):
    panel_width_m: float = Field(gt=0, le=5)
    roof_radius_m: float = Field(gt=0, le=1000)
    centre_offset_m: float = Field(0, ge=-2, le=2)
    strip_count: Whole = Field(12, ge=1, le=200)
    bypass_group_count: Whole = Field(1, ge=1, le=200)
    sun_elevation_deg: float = Field(gt=0, le=90)
    sun_azimuth_deg: float = Field(ge=0, le=360)
    heading_deg: float = Field(ge=0, le=360)
    dni_w_m2: float = Field(ge=0, le=1400)
    dhi_w_m2: float = Field(ge=0, le=1000)
    albedo_frac: float = Field(0.2, ge=0, le=1)

    @model_validator(mode="after")
    def _fits(self) -> Self:
        if abs(self.centre_offset_m) + self.panel_width_m / 2 >= self.roof_radius_m:
            raise wrong("roof_radius_m", says("must-be-more-than"))
        if self.strip_count % self.bypass_group_count:
            raise wrong("bypass_group_count", says("must-divide-strips-evenly", strip_count=self.strip_count))
        if self.dni_w_m2 <= 0 and self.dhi_w_m2 <= 0:
            raise wrong("dni_w_m2", says("and-dhi-both-there"))
        return self


class CurvedPanelFactorOut(Outcome):
    flat_poa_w_m2: float
    strip_poa_w_m2: list[float]
    mean_factor_frac: float
    series_factor_frac: float
    bypass_factor_frac: float
    mismatch_loss_frac: float
    edge_tilt_deg: float


def curved_panel_factor(inp: CurvedPanelFactorIn, sources: dict[str, Figure] | None = None) -> CurvedPanelFactorOut:
    """What a bent panel gives against a flat one: strips in parallel, in series, and in series with bypass groups."""
    g = Given(inp, sources)
    cos_z = np.array([math.sin(math.radians(inp.sun_elevation_deg))])
    azimuth = np.array([math.radians(inp.sun_azimuth_deg)])
    dni, dhi = np.array([inp.dni_w_m2]), np.array([inp.dhi_w_m2])
    ghi = dni * cos_z + dhi

    def poa(tilt_deg: float, facing_deg: float) -> float:
        return float(onto(ghi, dhi, dni, 1.0, cos_z, incidence(cos_z, azimuth, tilt_deg, facing_deg), tilt_deg, inp.albedo_frac, "isotropic").poa[0])

    strips = []
    for i in range(inp.strip_count):
        y = inp.centre_offset_m - inp.panel_width_m / 2 + (i + 0.5) * inp.panel_width_m / inp.strip_count
        strips.append(poa(math.degrees(abs(math.asin(y / inp.roof_radius_m))), inp.heading_deg - 90 if y > 0 else inp.heading_deg + 90))
    light = {"sun_elevation_deg": g("sun_elevation_deg"), "dni_w_m2": g("dni_w_m2"), "dhi_w_m2": g("dhi_w_m2")}
    flat = derived("flat_poa_w_m2", says("light-on-flat"), poa(0.0, 0.0), Method("trips.direction", "even sky"), **light)
    size = inp.strip_count // inp.bypass_group_count
    worst = sorted(min(strips[n * size : (n + 1) * size]) for n in range(inp.bypass_group_count))
    groups = inp.bypass_group_count
    best = max(c * (groups - n) / groups for n, c in enumerate(worst))
    mean = derived("mean_factor_frac", says("mean-strips-flat"), float(np.mean(strips)) / flat.value, HERE, flat_poa_w_m2=flat)
    bypass = derived(
        "bypass_factor_frac",
        says("best-current-that-bypassed"),
        best / flat.value,
        HERE,
        flat_poa_w_m2=flat,
        bypass_group_count=g("bypass_group_count"),
    )
    edge = (abs(inp.centre_offset_m) + inp.panel_width_m / 2) / inp.roof_radius_m
    return CurvedPanelFactorOut.of(
        flat_poa_w_m2=flat,
        strip_poa_w_m2=strips,
        mean_factor_frac=mean,
        series_factor_frac=derived("series_factor_frac", says("worst-strip-flat"), min(strips) / flat.value, HERE, flat_poa_w_m2=flat),
        bypass_factor_frac=bypass,
        mismatch_loss_frac=derived(
            "mismatch_loss_frac", "1 − bypass/mean", 1 - bypass.value / mean.value, HERE, bypass_factor_frac=bypass, mean_factor_frac=mean
        ),
        edge_tilt_deg=derived(
            "edge_tilt_deg",
            "arcsin((|y₀| + W/2)/R)",
            math.degrees(math.asin(edge)),
            Method("trips.direction", "geometry"),
            panel_width_m=g("panel_width_m"),
            roof_radius_m=g("roof_radius_m"),
        ),
    )
