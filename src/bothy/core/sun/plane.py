"""From the sky onto a tilted plane, and from light to watts (method trips.tilted)."""

from __future__ import annotations

import math
from typing import Literal, NamedTuple

import numpy as np

from bothy.core.sun.geometry import Array

HEADINGS_DEG = tuple(45.0 * i for i in range(8))
"""Where the heading is not known, the mean of these stands for it."""
UPLIFT_K = {"open_rack": 0.0, "roof_gap": 5.0, "glued": 15.0}
LOW_SUN = 0.01745
SkyModel = Literal["hay_davies", "isotropic"]


class Plane(NamedTuple):
    """Light on a plane in W/m²: beam with the bright ring round the sun, sky and ground, and the cosine of the angle of incidence."""

    beam: Array
    sky: Array
    ground: Array
    cos_i: Array

    @property
    def poa(self) -> Array:
        """All of it."""
        return self.beam + self.sky + self.ground


def incidence(cos_z: Array, azimuth: Array, tilt_deg: float, facing_deg: float) -> Array:
    """Cosine of the angle between the sun and the plane's normal, 0 behind the plane and when the sun is down."""
    tilt = math.radians(tilt_deg)
    sin_z = np.sqrt(np.maximum(0.0, 1 - cos_z**2))
    c = cos_z * math.cos(tilt) + sin_z * math.sin(tilt) * np.cos(azimuth - math.radians(facing_deg))
    return np.where(cos_z > 0, np.maximum(0.0, c), 0.0)


def onto(
    ghi: Array, dhi: Array, dni: Array, outside_w_m2: float, cos_z: Array, cos_i: Array, tilt_deg: float, albedo: float, model: SkyModel = "hay_davies"
) -> Plane:
    """Light on a tilted plane (Hay and Davies, or an even sky)."""
    tilt = math.radians(tilt_deg)
    ring = dni / outside_w_m2 if model == "hay_davies" else np.zeros_like(dni)
    beam = dni * cos_i + dhi * ring * cos_i / np.maximum(cos_z, LOW_SUN)
    return Plane(beam, dhi * (1 - ring) * (1 + math.cos(tilt)) / 2, ghi * albedo * (1 - math.cos(tilt)) / 2, cos_i)


class Module(NamedTuple):
    """A panel as the engine needs it; factors are 1 without loss."""

    power_stc_w: float
    mounting: str
    power_coeff_per_k: float
    noct_c: float
    iam_b0: float
    low_light_coeff: float
    soiling_frac: float
    wiring_frac: float
    mismatch_frac: float
    sky_view_frac: float


def through_glass(p: Plane, m: Module, shade: Array | float) -> Array:
    """Light that reaches the cells, in W/m²: the beam's loss at flat angles, shade on the beam, dirt, and the part of the sky seen."""
    with np.errstate(divide="ignore", invalid="ignore"):
        kb = np.where(p.cos_i > 0, np.maximum(0.0, 1 - m.iam_b0 * (1 / np.maximum(p.cos_i, 1e-12) - 1)), 0.0)
    return (p.beam * kb * (1 - shade) + (p.sky + p.ground) * (1 - m.iam_b0) * m.sky_view_frac) * m.soiling_frac


def cell_temp(light: Array, air_c: Array, m: Module, wind: float = 1.0) -> Array:
    """Temperature of the cells in °C; ``wind`` is 0.5 while driving."""
    return np.where(light < 1, air_c, air_c + light * ((m.noct_c - 20) / 800 + UPLIFT_K[m.mounting] / 1000) * wind)


def power(light: Array, cell_c: Array, m: Module) -> Array:
    """Power at the best point of the panel in W; 0 below 1 W/m²."""
    bright = np.maximum(light, 1.0)
    watts = m.power_stc_w * light / 1000 * (1 + m.power_coeff_per_k * (cell_c - 25)) * (1 + m.low_light_coeff * np.log(bright / 1000))
    return np.where(light < 1, 0.0, np.maximum(0.0, watts * m.wiring_frac * m.mismatch_frac))
