"""Wind on what stands on the roof while it is driven (method roof.wind)."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.constants import G
from bothy.core.contract import Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import roof_says as says

Mount = Literal["flexible_bonded", "rigid_closed_edge", "rigid_open_edge", "rigid_tilted", "roof_unit", "lid_open"]
COEFFICIENTS: dict[str, tuple[float, float]] = {
    "flexible_bonded": (0.3, 0.1),
    "rigid_closed_edge": (0.5, 1.2),
    "rigid_open_edge": (1.0, 1.2),
    "rigid_tilted": (1.5, 1.3),
    "roof_unit": (0.3, 0.9),
    "lid_open": (1.5, 1.3),
}
"""Uplift on the plan area, drag on the frontal area (typical: no standard covers panels on vehicles)."""
AIR_KG_M3, HEADWIND_M_S = 1.225, 15.0


class WindUpliftIn(Contract):
    vehicle_speed_m_s: float = Field(ge=0, le=60)
    headwind_m_s: float = Field(HEADWIND_M_S, ge=0, le=60)
    air_density_kg_m3: float = Field(AIR_KG_M3, ge=0.5, le=1.6)
    plan_area_m2: float = Field(gt=0, le=20)
    frontal_area_m2: float = Field(0, ge=0, le=5)
    mount: Mount = "rigid_open_edge"
    uplift_coefficient: float | None = Field(None, ge=0, le=3)
    drag_coefficient: float | None = Field(None, ge=0, le=3)
    mass_kg: float = Field(0, ge=0, le=500)
    fixing_count: Whole = Field(4, ge=2, le=100)
    drag_height_m: float = Field(0, ge=0, le=2)
    fixing_spacing_x_m: float | None = Field(None, gt=0, le=10)

    @model_validator(mode="after")
    def _lever(self) -> Self:
        if self.drag_height_m > 0 and self.fixing_spacing_x_m is None:
            raise wrong("fixing_spacing_x_m", says("required-where-drag-height"))
        return self


class WindUpliftOut(Outcome):
    dynamic_pressure_kpa: float
    uplift_n: float
    drag_n: float
    net_uplift_n: float
    pull_per_fixing_n: float
    shear_per_fixing_n: float


def wind_uplift(inp: WindUpliftIn, sources: dict[str, Figure] | None = None) -> WindUpliftOut:
    """Uplift and drag, and what each fixing carries of them. Method: roof.wind."""
    lift, drag = COEFFICIENTS[inp.mount]
    lift = lift if inp.uplift_coefficient is None else inp.uplift_coefficient
    drag = drag if inp.drag_coefficient is None else inp.drag_coefficient
    q = 0.5 * inp.air_density_kg_m3 * (inp.vehicle_speed_m_s + inp.headwind_m_s) ** 2
    up, back = q * lift * inp.plan_area_m2, q * drag * inp.frontal_area_m2
    n = inp.fixing_count
    pull = up / n
    if inp.drag_height_m > 0 and inp.fixing_spacing_x_m is not None:
        pull += back * inp.drag_height_m / (inp.fixing_spacing_x_m * n / 2)

    def fig(key: str, expression: str, value: float, **inputs: float) -> Figure:
        return derived(key, expression, value, Method("roof.wind"), **inputs)

    return WindUpliftOut.of(
        dynamic_pressure_kpa=fig(
            "dynamic_pressure_kpa",
            "½·ρ·(v + v_wind)²",
            q / 1000,
            air_density_kg_m3=inp.air_density_kg_m3,
            vehicle_speed_m_s=inp.vehicle_speed_m_s,
            headwind_m_s=inp.headwind_m_s,
        ),
        uplift_n=fig("uplift_n", "q·C_L·A_plan", up, dynamic_pressure_kpa=q / 1000, uplift_coefficient=lift, plan_area_m2=inp.plan_area_m2),
        drag_n=fig("drag_n", "q·C_D·A_front", back, dynamic_pressure_kpa=q / 1000, drag_coefficient=drag, frontal_area_m2=inp.frontal_area_m2),
        net_uplift_n=fig("net_uplift_n", "uplift − m·g, for information", up - inp.mass_kg * G, uplift_n=up, mass_kg=inp.mass_kg),
        pull_per_fixing_n=fig("pull_per_fixing_n", "U/n + D·z/(s·n/2)", pull, uplift_n=up, drag_n=back, fixing_count=n, drag_height_m=inp.drag_height_m),
        shear_per_fixing_n=fig("shear_per_fixing_n", "D/n", back / n, drag_n=back, fixing_count=n),
    )
