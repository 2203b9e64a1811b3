"""Hot cabinets: fridges and inverters that must get rid of their heat (method warmth.cabinets)."""

from __future__ import annotations

import math
from typing import Self

from pydantic import Field, model_validator

from bothy.core.constants import ZERO_K, G
from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method
from bothy.core.root import reached
from bothy.core.warmth.air import CP, RHO
from bothy.core.warmth.ventilation import CD
from bothy.core.words.says import warmth_says as says

CASE_U_W_M2K = 3.0
"""What a cabinet's walls pass (typical)."""


def open_area_m2(low_mm2: float, high_mm2: float) -> float:
    """Area in m² of two vents that the air passes one after the other; 0 where one is shut."""
    low, high = low_mm2 * 1e-6, high_mm2 * 1e-6
    return 1 / math.sqrt(1 / low**2 + 1 / high**2) if low > 0 and high > 0 else 0.0


def draught_m_s(rise_k: float, room_c: float, stack_height_m: float) -> float:
    """Air speed factor of a warm column."""
    return math.sqrt(2 * G * stack_height_m * rise_k / (room_c + ZERO_K + rise_k / 2))


@formula(says("heat-vent"), "max(0, P − U·A·ΔT)", unit="W", source=Method("warmth.cabinets"))
def to_vent(heat_w: float, case_u_w_m2k: float, case_area_m2: float, rise_k: float) -> float:
    return max(0.0, heat_w - case_u_w_m2k * case_area_m2 * rise_k)


class CabinetVentIn(Contract):
    heat_w: float = Field(ge=0, le=5000)
    room_temp_c: float = Field(25, ge=-20, le=60)
    max_cabinet_temp_c: float = Field(40, ge=-20, le=90)
    stack_height_m: float = Field(0.4, gt=0, le=3)
    case_area_m2: float = Field(0, ge=0, le=50)
    case_u_w_m2k: float = Field(CASE_U_W_M2K, ge=0, le=20)
    grille_free_frac: float = Field(0.5, gt=0, le=1)
    low_area_mm2: float | None = Field(None, ge=0, le=1e6)
    high_area_mm2: float | None = Field(None, ge=0, le=1e6)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.max_cabinet_temp_c <= self.room_temp_c:
            raise wrong("max_cabinet_temp_c", says("must-be-above-room"))
        for one, other in (("low_area_mm2", "high_area_mm2"), ("high_area_mm2", "low_area_mm2")):
            if getattr(self, one) is not None and getattr(self, other) is None:
                raise wrong(other, says("required-with", one=one))
        if (
            self.low_area_mm2 is not None
            and min(self.low_area_mm2, self.high_area_mm2 or 0) <= 0
            and self.heat_w > 0
            and self.case_area_m2 * self.case_u_w_m2k <= 0
        ):
            raise wrong("case_area_m2", says("heat-has-no-way"))
        return self


class CabinetVentOut(Outcome):
    vented_heat_w: float
    fan_flow_m3_h: float
    vent_area_each_mm2: float
    grille_gross_each_mm2: float
    cabinet_temp_c: float | None
    adequate: bool | None


def room_on_hot_day(hot_c: float, most_c: float) -> float:
    """Air of the room round a hot cabinet on the hot day, °C: shaded and aired, and under what the cabinet may reach."""
    return min(most_c - 1, max(25.0, hot_c - 5))


def cabinet_rise(heat_w: float, ua_w_k: float, effective_m2: float, room_c: float, stack_height_m: float) -> float:
    """How far a cabinet warms above the room in K."""
    if heat_w <= 0:
        return 0.0

    def carried(x: float) -> float:
        return ua_w_k * x + RHO * CP * CD * effective_m2 * draught_m_s(x, room_c, stack_height_m) * x

    high = 1.0
    while carried(high) < heat_w:
        high *= 2
    return reached(carried, heat_w, 0.0, high)


def cabinet_vent(inp: CabinetVentIn, sources: dict[str, Figure] | None = None) -> CabinetVentOut:
    """Vents or fan for a hot cabinet, and how warm it gets with those it has. Method: warmth.cabinets."""
    g = Given(inp, sources)
    rise = inp.max_cabinet_temp_c - inp.room_temp_c
    vented = to_vent(g("heat_w"), g("case_u_w_m2k"), g("case_area_m2"), rise)
    q = vented.value / (RHO * CP * rise)
    flow = derived("fan_flow_m3_h", "P/(ρ·c_p·ΔT)", q * 3600, Method("warmth.cabinets", "heat balance"), vented_heat_w=vented, rise_k=rise)
    each = derived(
        "vent_area_each_mm2",
        "√2·Q/(C_d·√(2g·h·ΔT/T_m))",
        math.sqrt(2) * q / (CD * draught_m_s(rise, inp.room_temp_c, inp.stack_height_m)) * 1e6,
        Method("warmth.cabinets", "warm column"),
        fan_flow_m3_h=flow,
        stack_height_m=g("stack_height_m"),
        rise_k=rise,
    )
    temp = None
    if inp.low_area_mm2 is not None and inp.high_area_mm2 is not None:
        open_ = open_area_m2(inp.low_area_mm2, inp.high_area_mm2)
        at = inp.room_temp_c + cabinet_rise(inp.heat_w, inp.case_u_w_m2k * inp.case_area_m2, open_, inp.room_temp_c, inp.stack_height_m)
        temp = derived(
            "cabinet_temp_c",
            "rise x with P = U·A·x + ρ·c_p·C_d·A·w(x)·x",
            at,
            Method("warmth.cabinets", "root"),
            heat_w=g("heat_w"),
            low_area_mm2=g("low_area_mm2"),
            high_area_mm2=g("high_area_mm2"),
        )
    return CabinetVentOut.of(
        vented_heat_w=vented,
        fan_flow_m3_h=flow,
        vent_area_each_mm2=each,
        grille_gross_each_mm2=derived(
            "grille_gross_each_mm2",
            says("free-grille-free-part"),
            each.value / inp.grille_free_frac,
            Method("warmth.cabinets", "definition"),
            vent_area_each_mm2=each,
            grille_free_frac=g("grille_free_frac"),
        ),
        cabinet_temp_c=temp,
        adequate=temp.value <= inp.max_cabinet_temp_c if temp is not None else None,
    )
