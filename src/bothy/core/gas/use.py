"""Gas a day and how long the vessels last (method gas.consumption)."""

from __future__ import annotations

import math
from typing import Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, given
from bothy.core.gas.mixture import GasIn
from bothy.core.method.sources import Method
from bothy.core.words.says import gas_says as says

Basis = Literal["gross", "net"]
ApplianceKind = Literal["hob_burner", "oven", "grill", "space_heater", "water_heater", "combi_heater", "instant_water_heater", "fridge", "bbq"]
APPLIANCES: dict[str, tuple[float, Basis, float]] = {
    "hob_burner": (1800, "gross", 0.5),
    "oven": (1500, "gross", 0.2),
    "grill": (1600, "gross", 0.1),
    "space_heater": (4000, "net", 3.0),
    "water_heater": (3000, "net", 0.5),
    "combi_heater": (6000, "net", 2.0),
    "instant_water_heater": (12000, "net", 0.3),
    "fridge": (250, "net", 14),
    "bbq": (3000, "gross", 0.3),
}
"""Input in W, basis of its heat value, hours a day at full; typical (method gas.consumption)."""


class GasApplianceIn(Contract):
    kind: ApplianceKind
    name: str | None = Field(None, min_length=1, max_length=200)
    heat_input_w: float | None = Field(None, gt=0, le=40000)
    heat_output_w: float | None = Field(None, gt=0, le=40000)
    efficiency_frac: float | None = Field(None, gt=0, le=1)
    basis: Basis | None = None
    count: Whole = Field(1, ge=1, le=10)
    time_h_day: float | None = Field(None, ge=0, le=24)
    duty_frac: float = Field(1, ge=0, le=1)

    @model_validator(mode="after")
    def _power(self) -> Self:
        if self.heat_output_w is not None:
            if self.heat_input_w is not None:
                raise wrong("heat_output_w", says("give-heat-input-or-heat"))
            if self.efficiency_frac is None:
                raise wrong("efficiency_frac", says("required-with-heat-output"))
        return self

    @property
    def input_w(self) -> float:
        """Fuel power of one piece."""
        if self.heat_output_w is not None and self.efficiency_frac:
            return self.heat_output_w / self.efficiency_frac
        return self.heat_input_w if self.heat_input_w is not None else APPLIANCES[self.kind][0]

    @property
    def on(self) -> Basis:
        """The basis of its heat value."""
        return self.basis or APPLIANCES[self.kind][1]

    @property
    def hours(self) -> float:
        """Hours a day at full."""
        return (APPLIANCES[self.kind][2] if self.time_h_day is None else self.time_h_day) * self.duty_frac


class GasConsumptionIn(GasIn):
    appliances: list[GasApplianceIn] = Field(min_length=1, max_length=20)
    regulator_margin_frac: float = Field(0.2, ge=0, le=1)


class GasUse(BaseModel):
    name: str
    rate_g_h: float
    use_g_day: float


class GasConsumptionOut(Outcome):
    appliances: list[GasUse]
    total_kg_day: float
    peak_kg_h: float
    regulator_min_kg_h: float
    energy_kwh_kg_gross: float
    energy_kwh_kg_net: float


def gas_consumption(inp: GasConsumptionIn, sources: dict[str, Figure] | None = None) -> GasConsumptionOut:
    """Gas an hour and a day by appliance, the peak, and the regulator for it. Method: gas.consumption."""
    g = Given(inp, sources)
    mix = inp.mix
    out, peak = [], 0.0
    for a in inp.appliances:
        rate = a.input_w / mix.kwh_kg(a.on)
        out.append(GasUse(name=a.name or a.kind, rate_g_h=rate, use_g_day=rate * a.count * a.hours))
        peak += rate * a.count / 1000
    gross = given("energy_kwh_kg_gross", mix.kwh_kg_gross, "table", "Σ of the components’ gross heat values")
    net = given("energy_kwh_kg_net", mix.kwh_kg_net, "table", "Σ of the components’ net heat values")
    total = derived(
        "total_kg_day",
        "Σ W/(kWh/kg)·pieces·hours/1000",
        sum(x.use_g_day for x in out) / 1000,
        Method("gas.consumption"),
        **{f"{x.name}_g_day": x.use_g_day for x in out},
        energy_kwh_kg_net=net,
        energy_kwh_kg_gross=gross,
    )
    top = derived(
        "peak_kg_h",
        "Σ rates, everything on",
        peak,
        Method("gas.consumption"),
        **{f"{x.name}_g_h": x.rate_g_h * a.count for x, a in zip(out, inp.appliances, strict=True)},
    )
    return GasConsumptionOut.of(
        appliances=out,
        total_kg_day=total,
        peak_kg_h=top,
        regulator_min_kg_h=derived(
            "regulator_min_kg_h",
            "peak·(1 + margin)",
            peak * (1 + inp.regulator_margin_frac),
            Method("gas.consumption"),
            peak_kg_h=top,
            regulator_margin_frac=g("regulator_margin_frac"),
        ),
        energy_kwh_kg_gross=gross,
        energy_kwh_kg_net=net,
    )


class VesselIn(Contract):
    kind: Literal["cylinder", "tank"]
    name: str | None = Field(None, min_length=1, max_length=200)
    count: Whole = Field(1, ge=1, le=6)
    capacity_kg: float | None = Field(None, gt=0, le=100)
    water_capacity_l: float | None = Field(None, gt=0, le=500)
    fill_limit_frac: float = Field(0.8, gt=0, le=0.85)
    fill_frac: float = Field(1, ge=0, le=1)
    residue_frac: float = Field(0, ge=0, le=1)
    tare_kg: float = Field(0, ge=0, le=200)

    @model_validator(mode="after")
    def _size(self) -> Self:
        key = "capacity_kg" if self.kind == "cylinder" else "water_capacity_l"
        if getattr(self, key) is None:
            raise wrong(key, says("required-for", kind=self.kind))
        return self


class GasAutonomyIn(GasIn):
    use_kg_day: float = Field(ge=0, le=100)
    vessels: list[VesselIn] = Field(min_length=1, max_length=8)
    reserve_frac: float = Field(0.1, ge=0, le=0.9)
    fill_temp_c: float = Field(15, ge=-30, le=50)
    price_per_kg: float | None = Field(None, ge=0, le=1000)
    trip_days: float | None = Field(None, ge=0, le=3650)


class VesselOut(BaseModel):
    name: str
    capacity_kg: float
    usable_kg: float


class GasAutonomyOut(Outcome):
    vessels: list[VesselOut]
    usable_kg: float
    after_reserve_kg: float
    autonomy_days: float | None
    energy_kwh_net: float
    full_mass_kg: float
    cost_per_day: float | None
    trip_kg: float | None
    refills_count: int | None


def gas_autonomy(inp: GasAutonomyIn, sources: dict[str, Figure] | None = None) -> GasAutonomyOut:
    """Days of gas with a reserve, mass and refills. Method: gas.autonomy."""
    g = Given(inp, sources)
    out, mass = [], 0.0
    for v in inp.vessels:
        one = (
            v.capacity_kg
            if v.kind == "cylinder" and v.capacity_kg is not None
            else (v.water_capacity_l or 0.0) * v.fill_limit_frac * inp.mix.liquid_kg_l(inp.fill_temp_c)
        )
        out.append(VesselOut(name=v.name or v.kind, capacity_kg=one, usable_kg=max(0.0, one * (v.fill_frac - v.residue_frac)) * v.count))
        mass += (one + v.tare_kg) * v.count
    usable = derived(
        "usable_kg", "Σ capacity·(fill − residue)·pieces", sum(v.usable_kg for v in out), Method("gas.autonomy"), **{f"{v.name}_kg": v.usable_kg for v in out}
    )
    after = derived(
        "after_reserve_kg",
        "usable·(1 − reserve)",
        usable.value * (1 - inp.reserve_frac),
        Method("gas.autonomy"),
        usable_kg=usable,
        reserve_frac=g("reserve_frac"),
    )
    use = g("use_kg_day")
    days = (
        derived("autonomy_days", says("after-reserve-use"), after.value / use.value, Method("gas.autonomy"), after_reserve_kg=after, use_kg_day=use)
        if use.value > 0
        else None
    )
    trip = (
        derived("trip_kg", "days·use", inp.trip_days * use.value, Method("gas.autonomy"), trip_days=g("trip_days"), use_kg_day=use)
        if inp.trip_days is not None
        else None
    )
    refills = None
    if trip is not None and usable.value > 0:
        refills = derived(
            "refills_count",
            "⌈(trip − after reserve)/usable⌉, at least 0",
            float(max(0, math.ceil((trip.value - after.value) / usable.value - EPS))),
            Method("gas.autonomy", "whole sets"),
            trip_kg=trip,
            after_reserve_kg=after,
            usable_kg=usable,
        )
    return GasAutonomyOut.of(
        vessels=out,
        usable_kg=usable,
        after_reserve_kg=after,
        autonomy_days=days,
        energy_kwh_net=derived(
            "energy_kwh_net",
            "usable·kWh/kg",
            usable.value * inp.mix.kwh_kg_net,
            Method("gas.autonomy", "net heat value"),
            usable_kg=usable,
            energy_kwh_kg_net=inp.mix.kwh_kg_net,
        ),
        full_mass_kg=derived(
            "full_mass_kg", "Σ (capacity + tare)·pieces", mass, Method("gas.autonomy", "mass"), **{f"{v.name}_kg": v.capacity_kg for v in out}
        ),
        cost_per_day=None
        if inp.price_per_kg is None
        else derived(
            "cost_per_day", "kg a day·price", use.value * inp.price_per_kg, Method("gas.autonomy", "definition"), use_kg_day=use, price_per_kg=g("price_per_kg")
        ),
        trip_kg=trip,
        refills_count=refills,
    )
