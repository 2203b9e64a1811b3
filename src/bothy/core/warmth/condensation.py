"""Where a build-up gets wet inside: steady diffusion by the stretched string (ISO 13788 method; method warmth.condensation)."""

from __future__ import annotations

import itertools
import math
from collections.abc import Sequence
from typing import Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method, Standard
from bothy.core.warmth.air import MOULD_RH, dew_point, saturation_pa
from bothy.core.warmth.build_up import Films, Layer
from bothy.core.words.says import warmth_says as says

DELTA_0 = 2e-10
"""Vapour permeability of still air in kg/(m·s·Pa)."""
PER_DAY = 8.64e7
PIECE_R, MOST_PIECES = 0.25, 60
STRAIGHT = 1e-9


class CondensationCheckIn(Films):
    layers: list[Layer] = Field(min_length=1, max_length=40)
    indoor_temp_c: float = Field(20, ge=-40, le=60)
    outdoor_temp_c: float = Field(ge=-40, le=60)
    indoor_rh_frac: float = Field(gt=0, le=1)
    outdoor_rh_frac: float = Field(0.85, gt=0, le=1)
    negligible_g_m2_day: float = Field(0.5, ge=0, le=100)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.indoor_temp_c == self.outdoor_temp_c:
            raise wrong("outdoor_temp_c", says("must-differ-from-indoor"))
        for x in self.layers:
            if x.type == "solid" and x.material is None and x.mu is None and x.sd_m is None:
                raise wrong("mu", says("needs-material-mu-or", called=x.called))
        return self


class Plane(BaseModel):
    name: str
    position_mm: float
    temp_c: float
    sat_pressure_pa: float
    free_pressure_pa: float
    vapour_pressure_pa: float
    rh_frac: float
    rate_g_m2_day: float


class CondensationCheckOut(Outcome):
    u_value_w_m2k: float
    dew_point_c: float
    surface_temp_c: float
    surface_rh_frac: float
    temp_factor_frac: float
    surface_condensation: bool
    mould_risk: bool
    condensation_g_m2_day: float
    worst_plane: str | None
    skin_inner_temp_c: float
    air_leak_condenses: bool
    sd_total_m: float
    risk: str
    planes: list[Plane]


def hull(s: Sequence[float], y: Sequence[float]) -> list[int]:
    """Indices of the corners of the lower convex hull of points with rising ``s``, ends included."""
    out: list[int] = []
    for j in range(len(s)):
        while len(out) >= 2:
            a, k = out[-2], out[-1]
            if (s[k] - s[a]) * (y[j] - y[a]) - (y[k] - y[a]) * (s[j] - s[a]) > STRAIGHT:
                break
            out.pop()
        out.append(j)
    return out


def _cut(inp: CondensationCheckIn, rs: list[float]) -> tuple[list[str], list[float], list[float], list[float]]:
    """The planes between and inside the layers: names, depth in mm, vapour resistance in m and thermal resistance in m²K/W from inside."""
    names, at, s, r = ["inner_surface"], [0.0], [0.0], [inp.inside]
    for n, (x, rx) in enumerate(zip(inp.layers, rs, strict=True)):
        pieces = max(1, min(MOST_PIECES, math.ceil(rx / PIECE_R - 1e-9)))
        for i in range(1, pieces + 1):
            if i < pieces:
                names.append(says("in-layer", layer=x.called))
            else:
                names.append(f"{x.called}|{inp.layers[n + 1].called}" if n + 1 < len(inp.layers) else "outer_surface")
            at.append(at[-1] + x.mm / pieces)
            s.append(s[-1] + x.sd / pieces)
            r.append(r[-1] + rx / pieces)
    return names, at, s, r


def _flows(s: list[float], y: list[float], corners: list[int]) -> tuple[list[float], list[float]]:
    """What condenses at each plane, g/(m²·day), and the vapour pressure there, Pa, along the hull of saturation."""
    rates = [0.0] * len(s)
    for a, k, b in zip(corners, corners[1:], corners[2:], strict=False):
        rates[k] = DELTA_0 * PER_DAY * ((y[a] - y[k]) / (s[k] - s[a]) - (y[k] - y[b]) / (s[b] - s[k]))
    pressure = [0.0] * len(s)
    for a, b in itertools.pairwise(corners):
        for j in range(a, b + 1):
            pressure[j] = y[a] + (y[b] - y[a]) * (s[j] - s[a]) / (s[b] - s[a])
    return rates, pressure


def condensation_check(inp: CondensationCheckIn, sources: dict[str, Figure] | None = None) -> CondensationCheckOut:
    """Condensation on and inside a build-up, g/(m²·day) by plane. Method: warmth.condensation."""
    rs = [x.resistance(inp.direction) for x in inp.layers]
    r_total = inp.inside + sum(rs) + inp.outside
    ti, te = inp.indoor_temp_c, inp.outdoor_temp_c
    names, at, s, r = _cut(inp, rs)
    temps = [ti - (ti - te) * q / r_total for q in r]
    sat = [saturation_pa(t) for t in temps]
    ei, ee = inp.indoor_rh_frac * saturation_pa(ti), inp.outdoor_rh_frac * saturation_pa(te)
    y = [min(ei, sat[0]), *sat[1:-1], min(ee, sat[-1])]
    corners = hull(s, y)
    rates, pressure = _flows(s, y, corners)
    free = [ei + (ee - ei) * q / s[-1] for q in s]
    sum_rate = sum(rates)
    worst = max(range(len(rates)), key=lambda j: rates[j])
    dew = dew_point(ei)
    skin = ti - (ti - te) * (r_total - inp.outside - rs[-1]) / r_total
    rh0 = ei / sat[0]
    wet, mould = rh0 >= 1, rh0 >= MOULD_RH
    risk = "surface" if wet else "interstitial" if sum_rate > inp.negligible_g_m2_day else "mould" if mould else "none"
    surface = derived(
        "surface_temp_c",
        "T_i − (T_i − T_e)·R_si/R_T",
        temps[0],
        Method("warmth.condensation") + Standard("ISO 13788"),
        indoor_temp_c=ti,
        outdoor_temp_c=te,
        rsi_m2k_w=inp.inside,
        r_total_m2k_w=r_total,
    )
    return CondensationCheckOut.of(
        u_value_w_m2k=derived(
            "u_value_w_m2k", "1/R_T", 1 / r_total, Method("warmth.condensation", "without ribs") + Standard("ISO 6946"), r_total_m2k_w=r_total
        ),
        dew_point_c=dew,
        surface_temp_c=surface,
        surface_rh_frac=derived(
            "surface_rh_frac", "e_i/e_s(T_s)", rh0, Method("warmth.condensation") + Standard("ISO 13788"), vapour_pressure_pa=ei, surface_temp_c=surface
        ),
        temp_factor_frac=derived(
            "temp_factor_frac",
            "(T_s−T_e)/(T_i−T_e)",
            (temps[0] - te) / (ti - te),
            Method("warmth.condensation") + Standard("ISO 13788"),
            surface_temp_c=surface,
        ),
        surface_condensation=wet,
        mould_risk=mould,
        condensation_g_m2_day=derived(
            "condensation_g_m2_day",
            "Σ over the planes that get wet: δ₀·(flow in − flow out)",
            sum_rate,
            Method("warmth.condensation", "lower convex hull of the saturation points") + Standard("ISO 13788"),
            **{f"{names[j].replace(' ', '_').replace('|', '_to_')}_{j}_g_m2_day": rates[j] for j in range(len(rates)) if rates[j] > 0},
        ),
        worst_plane=names[worst] if sum_rate > 0 else None,
        skin_inner_temp_c=derived(
            "skin_inner_temp_c",
            "T_i − (T_i − T_e)·R inside of the skin/R_T",
            skin,
            Method("warmth.condensation") + Standard("ISO 13788"),
            indoor_temp_c=ti,
            outdoor_temp_c=te,
            r_total_m2k_w=r_total,
        ),
        air_leak_condenses=skin < dew.value,
        sd_total_m=derived("sd_total_m", "Σ s_d", s[-1], Method("warmth.condensation"), **{f"sd_{i}_m": x.sd for i, x in enumerate(inp.layers, 1)}),
        risk=risk,
        planes=[
            Plane(name=n, position_mm=p, temp_c=t, sat_pressure_pa=q, free_pressure_pa=f, vapour_pressure_pa=v, rh_frac=v / q, rate_g_m2_day=w)
            for n, p, t, q, f, v, w in zip(names, at, temps, sat, free, pressure, rates, strict=True)
        ],
    )
