"""Air through fans and vents, CO₂ and CO in it, and the fixed vents that gas appliances need (method warmth.ventilation)."""

from __future__ import annotations

import math
from typing import Any, Literal, Self

from pydantic import Field, model_validator

from bothy.core.constants import ZERO_K, G
from bothy.core.contract import Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.region import RegionKey
from bothy.core.warmth.air import RHO
from bothy.core.words.says import warmth_says as says

CD = 0.6
BURNER_M3_KWH = 0.127
"""m³ CO₂ from 1 kWh of propane."""
PERSON_L_H = {"asleep": 13.0, "rest": 18.0}
FOR_90 = 0.1
M3_H_PER_CFM = 1.699011


@formula(
    says("flow-through-fan-inlet"),
    "fan curve s²·p_max·(1 − Q/(s·Q_max)) meets (ρ/2)·(Q/(C_d·A))²",
    unit="m³/h",
    source=Method("warmth.ventilation", "fan laws"),
)
def fan_flow(speed_frac: float, fan_pressure_max_pa: float, fan_flow_max_m3_h: float, inlet_area_mm2: float, discharge_coeff: float) -> float:
    if speed_frac <= 0:
        return 0.0
    a = RHO / (2 * discharge_coeff**2 * (inlet_area_mm2 * 1e-6) ** 2)
    b = fan_pressure_max_pa * speed_frac / (fan_flow_max_m3_h / 3600)
    c = fan_pressure_max_pa * speed_frac**2
    return float((-b + math.sqrt(b * b + 4 * a * c)) / (2 * a) * 3600)


@formula(says("fan-power"), "P_max·s³", unit="W", source=Method("warmth.ventilation", "fan laws"))
def fan_power(fan_power_max_w: float, speed_frac: float) -> float:
    return fan_power_max_w * speed_frac**3


@formula(says("inlet-free-flow"), "0.9·s·Q_max/(C_d·√(2·0.1·p_max·s²/ρ))", unit="mm²", source=Method("warmth.ventilation"))
def inlet_for_90(speed_frac: float, fan_pressure_max_pa: float, fan_flow_max_m3_h: float, discharge_coeff: float) -> float:
    if speed_frac <= 0:
        return 0.0
    return 0.9 * speed_frac * fan_flow_max_m3_h / 3600 / (discharge_coeff * math.sqrt(2 * FOR_90 * fan_pressure_max_pa * speed_frac**2 / RHO)) * 1e6


@formula(says("effective-opening"), "1/√(1/A_low² + 1/A_high²)", unit="mm²", source=Method("warmth.ventilation", "two openings in a row"))
def effective_area(low_area_mm2: float, high_area_mm2: float) -> float:
    return 0.0 if low_area_mm2 <= 0 or high_area_mm2 <= 0 else 1 / math.sqrt(1 / low_area_mm2**2 + 1 / high_area_mm2**2)


@formula(
    says("flow-warmth-wind"),
    "√(Q_stack² + Q_wind²); Q_stack = C_d·A·√(2g·h·|ΔT|/T_m), Q_wind = C_d·A·v·√ΔC_p",
    unit="m³/h",
    source=Method("warmth.ventilation"),
)
def passive_flow(
    effective_area_mm2: float,
    stack_height_m: float,
    indoor_temp_c: float,
    outdoor_temp_c: float,
    wind_speed_m_s: float,
    delta_cp: float,
    discharge_coeff: float,
) -> float:
    area = discharge_coeff * effective_area_mm2 * 1e-6
    mean_k = (indoor_temp_c + outdoor_temp_c) / 2 + ZERO_K
    stack = area * math.sqrt(2 * G * stack_height_m * abs(indoor_temp_c - outdoor_temp_c) / mean_k)
    return math.hypot(stack, area * wind_speed_m_s * math.sqrt(delta_cp)) * 3600


class VentRateIn(Contract):
    mode: Literal["fan", "passive", "given"]
    volume_m3: float = Field(gt=0, le=500)
    people_count: Whole = Field(0, ge=0, le=100)
    person_co2_l_h: float = Field(18, ge=0, le=200)
    unflued_burner_w: float = Field(0, ge=0, le=50000)
    co_co2_ratio_frac: float = Field(0.001, ge=0, le=1)
    outdoor_co2_ppm: float = Field(420, ge=0, le=2000)
    time_h: float | None = Field(None, ge=0, le=1000)
    flow_m3_h: float | None = Field(None, ge=0, le=20000)
    fan_flow_max_m3_h: float | None = Field(None, gt=0, le=20000)
    fan_pressure_max_pa: float = Field(40, gt=0, le=2000)
    speed_frac: float = Field(1, ge=0, le=1)
    inlet_area_mm2: float | None = Field(None, gt=0, le=4e6)
    discharge_coeff: float = Field(CD, gt=0, le=1)
    fan_power_max_w: float | None = Field(None, ge=0, le=2000)
    low_area_mm2: float | None = Field(None, ge=0, le=4e6)
    high_area_mm2: float | None = Field(None, ge=0, le=4e6)
    stack_height_m: float = Field(1.5, ge=0, le=10)
    indoor_temp_c: float = Field(20, ge=-40, le=60)
    outdoor_temp_c: float | None = Field(None, ge=-60, le=60)
    wind_speed_m_s: float = Field(0, ge=0, le=40)
    delta_cp: float = Field(0.3, ge=0, le=2)

    @model_validator(mode="after")
    def _mode(self) -> Self:
        needed = {"given": ("flow_m3_h",), "fan": ("fan_flow_max_m3_h", "inlet_area_mm2"), "passive": ("low_area_mm2", "high_area_mm2", "outdoor_temp_c")}[
            self.mode
        ]
        for key in needed:
            if getattr(self, key) is None:
                raise wrong(key, says("required-with-mode", mode=self.mode))
        return self


class VentRateOut(Outcome):
    flow_m3_h: float
    flow_cfm: float
    ach_per_h: float
    purge_time_min: float | None
    inlet_pressure_pa: float | None = None
    inlet_speed_m_s: float | None = None
    fan_power_w: float | None = None
    inlet_area_for_90pct_mm2: float | None = None
    co2_ppm: float | None
    co_ppm: float | None
    co2_at_time_ppm: float | None
    co_at_time_ppm: float | None


def steady_ppm(outside_ppm: float, source_m3_h: float, flow_m3_h: float) -> float | None:
    """Concentration that settles; None without any flow."""
    return None if flow_m3_h <= 0 else outside_ppm + 1e6 * source_m3_h / flow_m3_h


def ppm_at(outside_ppm: float, source_m3_h: float, flow_m3_h: float, volume_m3: float, time_h: float) -> float:
    """Concentration after a time from fresh air on."""
    steady = steady_ppm(outside_ppm, source_m3_h, flow_m3_h)
    if steady is None:
        return outside_ppm + 1e6 * source_m3_h * time_h / volume_m3
    return steady + (outside_ppm - steady) * math.exp(-flow_m3_h * time_h / volume_m3)


def vent_rate(inp: VentRateIn, sources: dict[str, Figure] | None = None) -> VentRateOut:
    """Air through a fan, through vents, or as given, and the gases that build up in it. Method: warmth.ventilation."""
    g = Given(inp, sources)
    more: dict[str, Any] = {}
    if inp.mode == "given":
        flow = g("flow_m3_h")
    elif inp.mode == "passive":
        open_ = effective_area(g("low_area_mm2"), g("high_area_mm2"))
        flow = passive_flow(open_, g("stack_height_m"), g("indoor_temp_c"), g("outdoor_temp_c"), g("wind_speed_m_s"), g("delta_cp"), g("discharge_coeff"))
    else:
        flow = fan_flow(g("speed_frac"), g("fan_pressure_max_pa"), g("fan_flow_max_m3_h"), g("inlet_area_mm2"), g("discharge_coeff"))
        area = (inp.inlet_area_mm2 or 1) * 1e-6
        q = flow.value / 3600
        more = {
            "inlet_pressure_pa": derived(
                "inlet_pressure_pa",
                "(ρ/2)·(Q/(C_d·A))²",
                RHO / 2 * (q / (inp.discharge_coeff * area)) ** 2,
                Method("warmth.ventilation", "orifice"),
                flow_m3_h=flow,
                inlet_area_mm2=g("inlet_area_mm2"),
            ),
            "inlet_speed_m_s": derived(
                "inlet_speed_m_s", "Q/A", q / area, Method("warmth.ventilation", "continuity"), flow_m3_h=flow, inlet_area_mm2=g("inlet_area_mm2")
            ),
            "inlet_area_for_90pct_mm2": inlet_for_90(g("speed_frac"), g("fan_pressure_max_pa"), g("fan_flow_max_m3_h"), g("discharge_coeff")),
        }
        if inp.fan_power_max_w is not None:
            more["fan_power_w"] = fan_power(g("fan_power_max_w"), g("speed_frac"))
    burner = BURNER_M3_KWH * inp.unflued_burner_w / 1000
    co2 = inp.people_count * inp.person_co2_l_h / 1000 + burner
    co = burner * inp.co_co2_ratio_frac
    q_h = flow.value
    steady = steady_ppm(inp.outdoor_co2_ppm, co2, q_h)

    def later(key: str, outside: float, source: float) -> Figure | None:
        if inp.time_h is None:
            return None
        return derived(
            key,
            "C_ss + (C_out − C_ss)·e^(−Q·t/V)",
            ppm_at(outside, source, q_h, inp.volume_m3, inp.time_h),
            Method("warmth.ventilation", "mass balance"),
            outdoor_ppm=outside,
            source_m3_h=source,
            flow_m3_h=flow,
            volume_m3=g("volume_m3"),
            time_h=g("time_h"),
        )

    return VentRateOut.of(
        flow_m3_h=flow,
        flow_cfm=derived("flow_cfm", "Q/1.699", q_h / M3_H_PER_CFM, Method("warmth.ventilation", "units"), flow_m3_h=flow),
        ach_per_h=derived("ach_per_h", "Q/V", q_h / inp.volume_m3, Method("warmth.ventilation", "definition"), flow_m3_h=flow, volume_m3=g("volume_m3")),
        purge_time_min=derived(
            "purge_time_min",
            "3·V/Q",
            180 * inp.volume_m3 / q_h,
            Method("warmth.ventilation", "95 % of the air changed"),
            volume_m3=g("volume_m3"),
            flow_m3_h=flow,
        )
        if q_h > 0
        else None,
        co2_ppm=derived(
            "co2_ppm",
            "C_out + 10⁶·G/Q",
            steady,
            Method("warmth.ventilation", "mass balance"),
            outdoor_co2_ppm=g("outdoor_co2_ppm"),
            source_m3_h=co2,
            flow_m3_h=flow,
        )
        if steady is not None
        else None,
        co_ppm=derived(
            "co_ppm", "10⁶·G/Q", co_steady, Method("warmth.ventilation", "mass balance; CO₂ of the burner × its CO/CO₂"), source_m3_h=co, flow_m3_h=flow
        )
        if (co_steady := steady_ppm(0.0, co, q_h)) is not None
        else None,
        co2_at_time_ppm=later("co2_at_time_ppm", inp.outdoor_co2_ppm, co2),
        co_at_time_ppm=later("co_at_time_ppm", 0.0, co),
        **more,
    )


BY_FLOOR = ((5, 7500, 15000, 1000), (10, 10000, 20000, 1500), (15, 12500, 25000, 2000), (20, 15000, 30000, 3000), (math.inf, 20000, 40000, 5000))
"""Plan area up to m²; high in the roof, high in a wall, low, in mm² (EN 721 type, typical)."""
VentMethod = Literal["floor_area", "appliance_sum"]
METHOD: dict[str, VentMethod] = {"uk": "floor_area", "eu": "floor_area", "us": "appliance_sum", "au": "appliance_sum"}


class GasVentAreaIn(Contract):
    region: RegionKey = "uk"
    method: VentMethod | None = None
    unflued_input_w: float = Field(0, ge=0, le=100000)
    open_flued_input_w: float = Field(0, ge=0, le=100000)
    room_sealed_input_w: float = Field(0, ge=0, le=100000)
    floor_area_m2: float | None = Field(None, gt=0, le=60)
    high_vent_location: Literal["roof", "wall"] = "roof"
    people_count: Whole | None = Field(None, ge=0, le=50)
    grille_free_frac: float = Field(0.5, gt=0, le=1)
    provided_high_mm2: float | None = Field(None, ge=0)
    provided_low_mm2: float | None = Field(None, ge=0)

    @model_validator(mode="after")
    def _needed(self) -> Self:
        key = "floor_area_m2" if self.by == "floor_area" else "people_count"
        if getattr(self, key) is None:
            raise wrong(key, says("required-with-method", by=self.by))
        return self

    @property
    def by(self) -> VentMethod:
        """The method, by region where none is given."""
        return self.method or METHOD[self.region]


class GasVentAreaOut(Outcome):
    method: str
    high_area_mm2: float
    low_area_mm2: float
    total_area_mm2: float
    high_grille_gross_mm2: float
    low_grille_gross_mm2: float
    adequate: bool | None


def gas_vent_area(inp: GasVentAreaIn, sources: dict[str, Figure] | None = None) -> GasVentAreaOut:
    """Fixed free vent area for gas appliances: a design value, no certificate. Method: warmth.ventilation."""
    g = Given(inp, sources)
    if inp.by == "floor_area":
        row = next(r for r in BY_FLOOR if (inp.floor_area_m2 or 0) <= r[0])
        why = Method("warmth.ventilation") + Standard("EN 721", "type table by plan area") + OwnChoice("typical")
        high = derived("high_area_mm2", "table", row[1 if inp.high_vent_location == "roof" else 2], why, floor_area_m2=g("floor_area_m2"))
        low = derived("low_area_mm2", "table", row[3], why, floor_area_m2=g("floor_area_m2"))
    else:
        total = max(4000.0, 2.2 * inp.unflued_input_w + 0.44 * inp.open_flued_input_w + 650 * (inp.people_count or 0))
        why = Method("warmth.ventilation") + Standard("PD 5482-3 / AS/NZS 5601.2 type") + OwnChoice("typical")
        high, low = (
            derived(
                k,
                "max(4000, 2200·U + 440·F + 650·P)/2",
                total / 2,
                why,
                unflued_input_w=g("unflued_input_w"),
                open_flued_input_w=g("open_flued_input_w"),
                people_count=g("people_count"),
            )
            for k in ("high_area_mm2", "low_area_mm2")
        )
    known = inp.provided_high_mm2 is not None and inp.provided_low_mm2 is not None
    return GasVentAreaOut.of(
        method=inp.by,
        high_area_mm2=high,
        low_area_mm2=low,
        total_area_mm2=derived(
            "total_area_mm2", "high + low", high.value + low.value, Method("warmth.ventilation", "sum"), high_area_mm2=high, low_area_mm2=low
        ),
        high_grille_gross_mm2=derived(
            "high_grille_gross_mm2",
            says("free-grille-free-part"),
            high.value / inp.grille_free_frac,
            Method("warmth.ventilation", "definition"),
            high_area_mm2=high,
            grille_free_frac=g("grille_free_frac"),
        ),
        low_grille_gross_mm2=derived(
            "low_grille_gross_mm2",
            says("free-grille-free-part"),
            low.value / inp.grille_free_frac,
            Method("warmth.ventilation", "definition"),
            low_area_mm2=low,
            grille_free_frac=g("grille_free_frac"),
        ),
        adequate=(inp.provided_high_mm2 or 0) >= high.value and (inp.provided_low_mm2 or 0) >= low.value if known else None,
    )
