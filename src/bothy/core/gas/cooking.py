"""The same meal by gas, alcohol, diesel and electricity (method gas.cooking)."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Given, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.gas.mixture import GasIn
from bothy.core.method.sources import Method
from bothy.core.water.properties import HEAT_J_LK
from bothy.core.words.says import gas_says as says

MethodKey = Literal["lpg_hob", "alcohol_stove", "diesel_hob", "induction", "resistive_hob", "kettle", "microwave"]
WH_LK = round(HEAT_J_LK / 3600, 5)


@dataclass(frozen=True, slots=True)
class Way:
    """Efficiency into the pot, rated input in W; fuels: kWh/kg, kg/L, kg water formed per kg in the room."""

    efficiency: float
    rated_w: float
    fuel: tuple[float, float, float] | None = None
    gas: bool = False
    flued: bool = False


METHODS: dict[str, Way] = {
    "lpg_hob": Way(0.45, 1800, gas=True),
    "alcohol_stove": Way(0.45, 1500, (7.44, 0.789, 1.173)),
    "diesel_hob": Way(0.30, 1900, (11.9, 0.835, 0.0), flued=True),
    "induction": Way(0.85, 1500),
    "resistive_hob": Way(0.70, 1200),
    "kettle": Way(0.85, 1000),
    "microwave": Way(0.50, 1200),
}
"""method gas.cooking, typical."""
ALL: tuple[MethodKey, ...] = ("lpg_hob", "alcohol_stove", "diesel_hob", "induction", "resistive_hob", "kettle", "microwave")


class CookingEnergyCompareIn(GasIn):
    boil_l: float = Field(ge=0, le=50)
    start_temp_c: float = Field(15, ge=0, le=95)
    end_temp_c: float = Field(100, ge=1, le=100)
    simmer_min: float = Field(0, ge=0, le=600)
    simmer_w: float = Field(250, ge=0, le=2000)
    meals_day: float = Field(1, ge=0, le=20)
    inverter_efficiency_frac: float = Field(0.88, gt=0, le=1)
    inverter_idle_w: float = Field(15, ge=0, le=200)
    battery_voltage_v: float = Field(12.8, ge=10, le=60)
    efficiencies: dict[MethodKey, Annotated[float, Field(gt=0, le=1)]] = {}
    methods: list[MethodKey] = Field(list(ALL), min_length=1, max_length=7)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.end_temp_c <= self.start_temp_c:
            raise wrong("end_temp_c", says("must-be-more-than", start_temp_c=self.start_temp_c))
        if len(set(self.methods)) != len(self.methods):
            raise wrong("methods", says("name-each-method-once"))
        return self


class MethodOut(BaseModel):
    method: str
    boil_only: bool
    input_wh: float
    time_min: float
    fuel_g: float | None
    fuel_ml: float | None
    battery_wh: float | None
    battery_charge_ah: float | None
    water_vapour_g: float
    fuel_g_day: float | None
    battery_charge_ah_day: float | None
    battery_power_w: float | None


class CookingEnergyCompareOut(Outcome):
    useful_wh: float
    methods: list[MethodOut]


def cooking_energy_compare(inp: CookingEnergyCompareIn, sources: dict[str, Figure] | None = None) -> CookingEnergyCompareOut:
    """Energy, time, fuel and charge of one meal by each method. Method: gas.cooking."""
    g = Given(inp, sources)
    heat = WH_LK * inp.boil_l * (inp.end_temp_c - inp.start_temp_c)
    useful = derived(
        "useful_wh",
        "1.16278·L·ΔT + simmer W·min/60",
        heat + inp.simmer_w * inp.simmer_min / 60,
        Method("gas.cooking", "heat capacity of water"),
        boil_l=g("boil_l"),
        start_temp_c=g("start_temp_c"),
        end_temp_c=g("end_temp_c"),
        simmer_min=g("simmer_min"),
        simmer_w=g("simmer_w"),
    )
    out = []
    for key in inp.methods:
        m = METHODS[key]
        e = inp.efficiencies.get(key, m.efficiency)
        boil = key == "kettle"
        need = (heat if boil else useful.value) / e
        hours = heat / (m.rated_w * e) + (0.0 if boil else inp.simmer_min / 60)
        row = MethodOut(
            method=key,
            boil_only=boil,
            input_wh=need,
            time_min=60 * hours,
            fuel_g=None,
            fuel_ml=None,
            battery_wh=None,
            battery_charge_ah=None,
            water_vapour_g=0.0,
            fuel_g_day=None,
            battery_charge_ah_day=None,
            battery_power_w=None,
        )
        if m.gas or m.fuel is not None:
            kwh, rho, water = (inp.mix.kwh_kg_net, inp.mix.liquid_kg_l(15), inp.mix.by_mass("water")) if m.fuel is None else m.fuel
            row.fuel_g = need / kwh
            row.fuel_ml = row.fuel_g / rho
            row.water_vapour_g = 0.0 if m.flued else row.fuel_g * water
            row.fuel_g_day = row.fuel_g * inp.meals_day
        else:
            row.battery_wh = need / inp.inverter_efficiency_frac + inp.inverter_idle_w * hours
            row.battery_charge_ah = row.battery_wh / inp.battery_voltage_v
            row.battery_charge_ah_day = row.battery_charge_ah * inp.meals_day
            row.battery_power_w = m.rated_w / inp.inverter_efficiency_frac + inp.inverter_idle_w
        out.append(row)
    return CookingEnergyCompareOut.of(useful_wh=useful, methods=out)
