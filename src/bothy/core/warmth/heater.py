"""Heaters: how large, what they burn and draw (method warmth.heaters)."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula, given
from bothy.core.method.sources import Method, Standard
from bothy.core.warmth.air import density_ratio
from bothy.core.words.says import warmth_says as says


@dataclass(frozen=True, slots=True)
class Fuel:
    """kWh/kg (net), kg/L where it is a liquid, usual efficiency."""

    kwh_kg: float | None
    kg_l: float | None
    efficiency: float


FuelKey = Literal["diesel", "petrol", "kerosene", "propane", "butane", "ethanol", "wood", "electric"]
FUELS: dict[str, Fuel] = {
    "diesel": Fuel(11.9, 0.84, 0.8),
    "petrol": Fuel(12, 0.745, 0.8),
    "kerosene": Fuel(11.97, 0.8, 0.8),
    "propane": Fuel(12.87, 0.51, 0.9),
    "butane": Fuel(12.7, 0.58, 0.9),
    "ethanol": Fuel(7.44, 0.789, 0.9),
    "wood": Fuel(4.1, None, 0.65),
    "electric": Fuel(None, None, 1),
}
"""method warmth.heaters."""


class HeaterSizeIn(Contract):
    ua_w_k: float = Field(gt=0, le=2000)
    indoor_temp_c: float = Field(20, ge=-40, le=60)
    design_outdoor_temp_c: float = Field(ge=-60, le=60)
    mild_outdoor_temp_c: float = Field(8, ge=-60, le=60)
    margin_frac: float = Field(0.2, ge=0, le=2)
    internal_gains_w: float = Field(0, ge=0, le=20000)
    heater_max_w: float = Field(gt=0, le=100000)
    heater_min_w: float = Field(0, ge=0, le=100000)
    altitude_m: float = Field(0, ge=-100, le=5000)
    combustion: bool = True

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.design_outdoor_temp_c >= self.indoor_temp_c:
            raise wrong("design_outdoor_temp_c", says("must-be-below-indoor"))
        if self.heater_min_w > self.heater_max_w:
            raise wrong("heater_min_w", says("must-be-at-most"))
        return self


class HeaterSizeOut(Outcome):
    load_w: float
    needed_w: float
    available_w: float
    adequate: bool
    spare_frac: float | None
    min_output_w: float
    mild_load_w: float
    mild_duty_frac: float
    cycles_when_mild: bool
    cycles_above_temp_c: float
    holds_down_to_temp_c: float


@formula(says("heat-hold"), "max(0, UA·(T_i − T_e) − gains)", unit="W", source=Method("warmth.heaters") + Standard("EN 12831-1"))
def load_at(ua_w_k: float, indoor_temp_c: float, outdoor_temp_c: float, internal_gains_w: float) -> float:
    return max(0.0, ua_w_k * (indoor_temp_c - outdoor_temp_c) - internal_gains_w)


@formula(says("heater-choose"), "load·(1+margin)", unit="W", source=Method("warmth.heaters"))
def needed_heat(load_w: float, margin_frac: float) -> float:
    return load_w * (1 + margin_frac)


@formula(says("output-altitude"), "P_max·σ", unit="W", source=Method("warmth.heaters", "thinner air burns less (ISO 2533)"))
def at_altitude(heater_max_w: float, density_frac: float) -> float:
    return heater_max_w * density_frac


@formula(says("lowest-temperature-holds"), "T_i − (P + gains)/UA", unit="°C", source=Method("warmth.heaters", "heat balance"))
def held_at(indoor_temp_c: float, power_w: float, internal_gains_w: float, ua_w_k: float) -> float:
    return indoor_temp_c - (power_w + internal_gains_w) / ua_w_k


def heater_size(inp: HeaterSizeIn, sources: dict[str, Figure] | None = None) -> HeaterSizeOut:
    """Whether a heater holds the coldest day, and how it behaves on a mild one. Method: warmth.heaters."""
    g = Given(inp, sources)
    sigma = density_ratio(inp.altitude_m) if inp.combustion else 1.0
    load = load_at(g("ua_w_k"), g("indoor_temp_c"), g("design_outdoor_temp_c"), g("internal_gains_w"))
    need = needed_heat(load, g("margin_frac"))
    have = at_altitude(g("heater_max_w"), sigma)
    least = at_altitude(g("heater_min_w"), sigma).named(says("least-output"))
    mild = load_at(g("ua_w_k"), g("indoor_temp_c"), g("mild_outdoor_temp_c"), g("internal_gains_w")).named(says("heat-on-mild"))
    duty = 0.0 if mild.value == 0 else 1.0 if least.value == 0 else min(1.0, mild.value / least.value)
    return HeaterSizeOut.of(
        load_w=load,
        needed_w=need,
        available_w=have,
        adequate=have.value >= need.value,
        spare_frac=derived(
            "spare_frac", "available/load − 1", have.value / load.value - 1, Method("warmth.heaters", "definition"), available_w=have, load_w=load
        )
        if load.value > 0
        else None,
        min_output_w=least,
        mild_load_w=mild,
        mild_duty_frac=derived("mild_duty_frac", "min(1, mild load/P_min)", duty, Method("warmth.heaters"), mild_load_w=mild, min_output_w=least),
        cycles_when_mild=0 < mild.value < least.value,
        cycles_above_temp_c=held_at(g("indoor_temp_c"), least, g("internal_gains_w"), g("ua_w_k")).named(says("cycles-above")),
        holds_down_to_temp_c=held_at(g("indoor_temp_c"), have, g("internal_gains_w"), g("ua_w_k")),
    )


class HeaterFuelIn(Contract):
    fuel: FuelKey
    heat_w: float = Field(ge=0, le=100000)
    efficiency_frac: float | None = Field(None, gt=0, le=6)
    heater_max_w: float | None = Field(None, gt=0, le=100000)
    heater_min_w: float = Field(0, ge=0, le=100000)
    hours_per_day: float = Field(24, gt=0, le=24)
    tank_volume_l: float | None = Field(None, ge=0, le=2000)
    tank_mass_kg: float | None = Field(None, ge=0, le=2000)
    tank_usable_frac: float = Field(0.8, gt=0, le=1)
    run_power_min_w: float = Field(0, ge=0, le=5000)
    run_power_max_w: float | None = Field(None, ge=0, le=5000)
    start_energy_wh: float = Field(0, ge=0, le=500)
    starts_per_day: float = Field(2, ge=0, le=500)
    starts_per_h_cycling: float = Field(2, ge=0, le=20)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.efficiency_frac is not None and self.fuel != "electric" and self.efficiency_frac > 1:
            raise wrong("efficiency_frac", says("must-be-at-most-for"))
        if self.heater_max_w is not None and self.heater_min_w > self.heater_max_w:
            raise wrong("heater_min_w", says("must-be-at-most"))
        if self.fuel == "wood" and self.tank_volume_l is not None and self.tank_mass_kg is None:
            raise wrong("tank_volume_l", says("wood-counted-by-mass"))
        return self


class HeaterFuelOut(Outcome):
    delivered_w: float
    shortfall_w: float
    duty_frac: float
    cycling: bool
    fuel_kg_h: float | None
    fuel_l_h: float | None
    fuel_kg_day: float | None
    fuel_l_day: float | None
    autonomy_days: float | None
    electrical_w: float
    starts_per_day: float
    electrical_wh_day: float


@formula(says("fuel"), "P/1000/(η·H_u)", unit="kg/h", source=Method("warmth.heaters", "net heating value"))
def burnt_kg_h(delivered_w: float, efficiency_frac: float, heating_value_kwh_kg: float) -> float:
    return delivered_w / 1000 / (efficiency_frac * heating_value_kwh_kg)


def heater_fuel(inp: HeaterFuelIn, sources: dict[str, Figure] | None = None) -> HeaterFuelOut:
    """What a heater burns and draws at a mean demand. Method: warmth.heaters."""
    g = Given(inp, sources)
    f = FUELS[inp.fuel]
    eta = g("efficiency_frac", f.efficiency, says("usual-for-this-fuel"))
    most = inp.heater_max_w if inp.heater_max_w is not None else float("inf")
    got = derived("delivered_w", says("at-most-max"), min(inp.heat_w, most), Method("warmth.heaters", "definition"), heat_w=g("heat_w"))
    level = max(got.value, inp.heater_min_w)
    duty = got.value / level if level > 0 else 0.0
    cycling = 0 < got.value < inp.heater_min_w
    low, high = inp.run_power_min_w, inp.run_power_max_w if inp.run_power_max_w is not None else inp.run_power_min_w
    spread = most - inp.heater_min_w
    run = high if inp.heater_max_w is None or spread <= 0 else low + (high - low) * min(1.0, (level - inp.heater_min_w) / spread)
    own = duty * run + (got.value / eta.value if inp.fuel == "electric" else 0.0)
    draw = derived(
        "electrical_w",
        "duty·run power" + (" + P/η" if inp.fuel == "electric" else ""),
        own,
        Method("warmth.heaters"),
        duty_frac=duty,
        run_power_w=run,
        delivered_w=got,
    )
    starts = 0.0 if got.value == 0 else inp.starts_per_h_cycling * inp.hours_per_day if cycling else inp.starts_per_day
    kg_h = l_h = kg_day = l_day = days = None
    if f.kwh_kg is not None:
        kg_h = burnt_kg_h(got, eta, given("heating_value_kwh_kg", f.kwh_kg, "table", says("method-warmth-heaters")))
        kg_day = derived(
            "fuel_kg_day",
            "kg/h·hours",
            kg_h.value * inp.hours_per_day,
            Method("warmth.heaters", "definition"),
            fuel_kg_h=kg_h,
            hours_per_day=g("hours_per_day"),
        )
        if f.kg_l is not None:
            l_h = derived("fuel_l_h", "kg/h/density", kg_h.value / f.kg_l, Method("warmth.heaters"), fuel_kg_h=kg_h)
            l_day = derived(
                "fuel_l_day", "L/h·hours", l_h.value * inp.hours_per_day, Method("warmth.heaters", "definition"), fuel_l_h=l_h, hours_per_day=g("hours_per_day")
            )
        tank = inp.tank_mass_kg if inp.tank_mass_kg is not None else inp.tank_volume_l * f.kg_l if inp.tank_volume_l is not None and f.kg_l else None
        if tank is not None and kg_day.value > 0:
            days = derived(
                "autonomy_days",
                "tank·usable/(kg a day)",
                tank * inp.tank_usable_frac / kg_day.value,
                Method("warmth.heaters", "definition"),
                tank_kg=tank,
                tank_usable_frac=g("tank_usable_frac"),
                fuel_kg_day=kg_day,
            )
    return HeaterFuelOut.of(
        delivered_w=got,
        shortfall_w=derived(
            "shortfall_w", "max(0, heat − P_max)", max(0.0, inp.heat_w - most), Method("warmth.heaters", "definition"), heat_w=g("heat_w"), delivered_w=got
        ),
        duty_frac=derived("duty_frac", "delivered/max(delivered, P_min)", duty, Method("warmth.heaters"), delivered_w=got, heater_min_w=g("heater_min_w")),
        cycling=cycling,
        fuel_kg_h=kg_h,
        fuel_l_h=l_h,
        fuel_kg_day=kg_day,
        fuel_l_day=l_day,
        autonomy_days=days,
        electrical_w=draw,
        starts_per_day=derived("starts_per_day", says("as-given-or-starts"), starts, Method("warmth.heaters"), hours_per_day=g("hours_per_day")),
        electrical_wh_day=derived(
            "electrical_wh_day",
            "P·hours + starts·start energy",
            own * inp.hours_per_day + starts * inp.start_energy_wh,
            Method("warmth.heaters"),
            electrical_w=draw,
            hours_per_day=g("hours_per_day"),
            starts=starts,
            start_energy_wh=g("start_energy_wh"),
        ),
    )
