"""The room's moisture: what is breathed and boiled out against what the air carries away (method warmth.moisture)."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.constants import ZERO_K
from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method
from bothy.core.warmth.air import MOULD_RH, PER_FLOW, R_V, dew_point, saturation_pa
from bothy.core.words.says import warmth_says as says

RATES: dict[str, float] = {
    "person_asleep": 40,
    "person_awake": 55,
    "person_active": 120,
    "dog": 20,
    "simmering_pan": 400,
    "wet_towel": 60,
    "propane_kw": 127,
    "butane_kw": 122,
    "ethanol_kw": 158,
}
EVENTS: dict[str, float] = {"meal": 300, "kettle": 60, "washing_up": 100, "shower": 250, "wet_coat": 300, "clothes_kg": 550}
"""g/h each, and g each time (method warmth.moisture)."""
SourceKind = Literal[
    "person_asleep",
    "person_awake",
    "person_active",
    "dog",
    "simmering_pan",
    "wet_towel",
    "propane_kw",
    "butane_kw",
    "ethanol_kw",
    "meal",
    "kettle",
    "washing_up",
    "shower",
    "wet_coat",
    "clothes_kg",
]


class MoistureSource(Contract):
    name: str = Field("", max_length=200)
    rate_g_h: float | None = Field(None, ge=0, le=10000)
    kind: SourceKind | None = None
    count: float = Field(1, ge=0, le=1000)
    hours_per_day: float = Field(24, ge=0, le=24)

    @model_validator(mode="after")
    def _some(self) -> Self:
        if self.rate_g_h is None and self.kind is None:
            raise wrong("rate_g_h", says("required-or-kind-source"))
        return self

    @property
    def mean_g_h(self) -> float:
        """g/h in the mean of the day."""
        if self.rate_g_h is None and self.kind in EVENTS:
            return EVENTS[self.kind] * self.count / 24
        rate = self.rate_g_h if self.rate_g_h is not None else RATES[self.kind or ""]
        return rate * self.count * self.hours_per_day / 24


class DampSurface(Contract):
    name: str = Field(min_length=1, max_length=200)
    u_value_w_m2k: float = Field(gt=0, le=10)
    rsi_m2k_w: float = Field(0.13, gt=0, le=1)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.u_value_w_m2k * self.rsi_m2k_w > 1:
            raise wrong("rsi_m2k_w", says("more-than-whole-resistance"))
        return self


class MoistureBalanceIn(Contract):
    indoor_temp_c: float = Field(18, ge=-40, le=60)
    outdoor_temp_c: float = Field(ge=-40, le=60)
    outdoor_rh_frac: float = Field(0.85, ge=0, le=1)
    flow_m3_h: float | None = Field(None, gt=0, le=10000)
    volume_m3: float | None = Field(None, gt=0, le=500)
    ach_per_h: float | None = Field(None, gt=0, le=100)
    max_rh_frac: float = Field(0.6, gt=0, le=1)
    sources: list[MoistureSource] = Field(min_length=1, max_length=200)
    surfaces: list[DampSurface] = Field([], max_length=400)

    @model_validator(mode="after")
    def _flow(self) -> Self:
        if self.flow_m3_h is None:
            for key in ("volume_m3", "ach_per_h"):
                if getattr(self, key) is None:
                    raise wrong(key, says("required-where-flow-not"))
        return self


class DampRow(BaseModel):
    name: str
    surface_temp_c: float
    surface_rh_frac: float
    condenses: bool
    mould_risk: bool
    flow_to_stay_dry_m3_h: float | None


class MoistureBalanceOut(Outcome):
    source_g_h: float
    flow_m3_h: float
    outdoor_vapour_pressure_pa: float
    indoor_vapour_pressure_pa: float
    indoor_rh_frac: float
    dew_point_c: float
    saturated: bool
    condensing_g_h: float
    required_flow_m3_h: float | None
    ventilation_heat_w: float
    surfaces: list[DampRow]


@formula(says("vapour-pressure-inside"), "e_e + G/1000·R_v·T_i/Q", unit="Pa", source=Method("warmth.moisture", "mass balance of a well-mixed room"))
def room_vapour(outdoor_vapour_pressure_pa: float, source_g_h: float, indoor_temp_c: float, flow_m3_h: float) -> float:
    return outdoor_vapour_pressure_pa + source_g_h / 1000 * R_V * (indoor_temp_c + ZERO_K) / flow_m3_h


def flow_for(limit_pa: float, outside_pa: float, source_g_h: float, indoor_temp_c: float) -> float | None:
    """m³/h that keep the vapour pressure at a limit; None where outside air is too damp for it."""
    return None if limit_pa <= outside_pa else source_g_h / 1000 * R_V * (indoor_temp_c + ZERO_K) / (limit_pa - outside_pa)


def moisture_balance(inp: MoistureBalanceIn, sources: dict[str, Figure] | None = None) -> MoistureBalanceOut:
    """How damp the room gets, and what keeps it dry. Method: warmth.moisture."""
    g = Given(inp, sources)
    ti, te = inp.indoor_temp_c, inp.outdoor_temp_c
    made = derived(
        "source_g_h",
        "Σ rate·count·hours/24 + Σ events·grams/24",
        sum(s.mean_g_h for s in inp.sources),
        Method("warmth.moisture"),
        **{f"{s.name or s.kind or 'source'}_{i}_g_h": s.mean_g_h for i, s in enumerate(inp.sources, 1)},
    )
    flow = (
        g("flow_m3_h")
        if inp.flow_m3_h is not None
        else derived(
            "flow_m3_h",
            "V·n",
            (inp.volume_m3 or 0) * (inp.ach_per_h or 0),
            Method("warmth.moisture", "definition"),
            volume_m3=g("volume_m3"),
            ach_per_h=g("ach_per_h"),
        )
    )
    sat = saturation_pa(ti)
    outside = derived(
        "outdoor_vapour_pressure_pa",
        "RH·e_s(T_e)",
        inp.outdoor_rh_frac * saturation_pa(te),
        Method("warmth.moisture", "definition"),
        outdoor_rh_frac=g("outdoor_rh_frac"),
        outdoor_temp_c=g("outdoor_temp_c"),
    )
    raw = room_vapour(outside, made, g("indoor_temp_c"), flow)
    full = raw.value >= sat
    e = derived("indoor_vapour_pressure_pa", "at most e_s(T_i)", sat, Method("warmth.moisture", "saturated"), raw_pa=raw) if full else raw
    rh = derived("indoor_rh_frac", "e_i/e_s(T_i)", e.value / sat, Method("warmth.moisture", "definition"), indoor_vapour_pressure_pa=e, sat_pressure_pa=sat)
    need = flow_for(inp.max_rh_frac * sat, outside.value, made.value, ti)
    rows = []
    for s in inp.surfaces:
        ts = ti - s.u_value_w_m2k * s.rsi_m2k_w * (ti - te)
        at = saturation_pa(ts)
        share = e.value / at
        rows.append(
            DampRow(
                name=s.name,
                surface_temp_c=ts,
                surface_rh_frac=share,
                condenses=share >= 1,
                mould_risk=share >= MOULD_RH,
                flow_to_stay_dry_m3_h=flow_for(at, outside.value, made.value, ti),
            )
        )
    return MoistureBalanceOut.of(
        source_g_h=made,
        flow_m3_h=flow,
        outdoor_vapour_pressure_pa=outside,
        indoor_vapour_pressure_pa=e,
        indoor_rh_frac=rh,
        dew_point_c=dew_point(max(1e-6, e.value)),
        saturated=full,
        condensing_g_h=derived(
            "condensing_g_h",
            "(e − e_s)/(R_v·T_i)·Q·1000, where it is saturated",
            max(0.0, raw.value - sat) / (R_V * (ti + ZERO_K)) * flow.value * 1000,
            Method("warmth.moisture", "gas law"),
            raw_pa=raw,
            sat_pressure_pa=sat,
            flow_m3_h=flow,
        ),
        required_flow_m3_h=derived(
            "required_flow_m3_h",
            "G/1000·R_v·T_i/(RH_max·e_s − e_e)",
            need,
            Method("warmth.moisture"),
            source_g_h=made,
            max_rh_frac=g("max_rh_frac"),
            outdoor_vapour_pressure_pa=outside,
        )
        if need is not None
        else None,
        ventilation_heat_w=derived("ventilation_heat_w", "0.33533·Q·ΔT", PER_FLOW * flow.value * (ti - te), Method("warmth.air"), flow_m3_h=flow),
        surfaces=rows,
    )
