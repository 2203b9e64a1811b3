"""Gas of a design: what burns how much, how long the vessels last, whether the gas comes out in the cold (method gas.consumption)."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Literal

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.gas import Gas, GasAppliance, Vessel
from bothy.core.design.warmth import Heater
from bothy.core.figure import Figure, given
from bothy.core.gas.boil_off import VaporisationLimitIn, VaporisationLimitOut, vaporisation_limit
from bothy.core.gas.mixture import PRESETS, Mixture, VapourPressureIn, VapourPressureOut, mixture_of, vapour_pressure
from bothy.core.gas.room import input_w
from bothy.core.gas.use import (
    APPLIANCES,
    GasApplianceIn,
    GasAutonomyIn,
    GasAutonomyOut,
    GasConsumptionIn,
    GasConsumptionOut,
    VesselIn,
    gas_autonomy,
    gas_consumption,
)
from bothy.core.warmth.heater import FUELS
from bothy.core.words.says import gas_says as says

LEAST_FILL = 0.3
"""Fill at which a vessel must still boil off enough (the method of gas, rule gas-vaporisation-short)."""
NIGHT_H, TOGETHER_H = 8.0, 1.0


class BurnPart(BaseModel):
    """An appliance: input in W, gas in g/h of one piece, g a day of all; ``of`` where its use is reckoned: as typed, usual of its kind, or from Warmth."""

    name: str
    input_w: float
    rate_g_h: float
    use_g_day: float
    hours: float
    of: Literal["typed", "usual", "warmth"]


class VesselPart(BaseModel):
    """A vessel, one piece: gas in kg when full; and of all pieces what can be used on the coldest night, full mass, and gas an hour for long and for
    an hour at the least fill."""

    name: str
    capacity_kg: float
    usable_kg: float
    full_mass_kg: float
    continuous_kg_h: float
    burst_kg_h: float
    need_n: float


class ColdRow(BaseModel):
    """A gas on the coldest night: gauge pressure, usable share of a full vessel, coldest temperature at which it comes out."""

    gas: str
    gauge_mbar: float
    usable_frac: float
    min_temp_c: float


class BoilPart(BaseModel):
    """Whether the vessels boil off enough at the least fill on the coldest night: what is asked, what they give, and for how long they give it."""

    what: Literal["everything", "heating"]
    hours: float
    demand_kg_h: float
    continuous_kg_h: float
    burst_kg_h: float
    verdict: str
    to_limit_h: float | None


def mixture(g: Gas) -> Mixture:
    """The gas of a design."""
    return mixture_of(PRESETS[g.gas or "propane"])


def coldest(ctx: Context) -> Figure:
    """The coldest use: as typed, or the coldest night of the plan."""
    said = ctx.design.gas.coldest_c
    return ctx.coldest_night() if said is None else given("coldest_c", said, "typed", says("as-typed"), label=says("coldest-use"))


def heating_kg_day(ctx: Context, months_kg: Mapping[str, float]) -> float | None:
    """What the first heater burns of gas on a mean day of the coldest planned month; None where it burns something else. ``months_kg``: kg a day by month."""
    heaters = ctx.design.warmth.heaters
    if not heaters or not heaters[0].burns_gas or not months_kg:
        return None
    return max(months_kg.values())


def heater_of(ctx: Context, a: GasAppliance) -> Heater | None:
    """The heater of Warmth that an appliance is, where that burns gas."""
    return next((h for h in ctx.design.warmth.heaters if h.id == a.heater and h.burns_gas), None)


def by_weather(ctx: Context, a: GasAppliance) -> bool:
    """Whether the trip drives its gas by the weather: only Warmth's first heater is simulated."""
    h = heater_of(ctx, a)
    return h is not None and h.id == ctx.design.warmth.heaters[0].id


def _appliance(ctx: Context, a: GasAppliance, mix: Mixture, heating: float | None) -> tuple[GasApplianceIn, Literal["typed", "usual", "warmth"]]:
    watts, basis, hours, duty = input_w(a), a.basis or APPLIANCES[a.kind][1], a.time_h_day, a.duty_frac
    of: Literal["typed", "usual", "warmth"] = "usual" if hours is None else "typed"
    h = heater_of(ctx, a)
    if h is not None:
        if a.heat_input_w is None:
            watts, basis = h.max_w / (h.efficiency_frac or FUELS[h.fuel].efficiency), "net"
        if hours is None and heating is not None and by_weather(ctx, a):
            hours, of, duty = min(24.0, heating * 1000 * mix.kwh_kg(basis) / (watts * a.count)), "warmth", 1.0
    return GasApplianceIn.trusted(kind=a.kind, name=a.name, heat_input_w=min(40000.0, watts), basis=basis, count=a.count, time_h_day=hours, duty_frac=duty), of


def work_use(ctx: Context, months_kg: Mapping[str, float]) -> tuple[dict[str, BurnPart], GasConsumptionOut | None]:
    """What each appliance burns, and all of them."""
    g = ctx.design.gas
    if not g.appliances:
        return {}, None
    mix, heating = mixture(g), heating_kg_day(ctx, months_kg)
    made = [_appliance(ctx, a, mix, heating) for a in g.appliances]
    out = gas_consumption(GasConsumptionIn.trusted(gas=g.gas, appliances=[m for m, _ in made]))
    parts = {
        a.id: quick(BurnPart, name=a.name, input_w=m.input_w, rate_g_h=r.rate_g_h, use_g_day=r.use_g_day, hours=m.hours, of=of)
        for a, (m, of), r in zip(g.appliances, made, out.appliances, strict=True)
    }
    return parts, out


def cooking_kg_day(ctx: Context, burns: Mapping[str, BurnPart]) -> float:
    """kg a day of all that the weather doesn't drive: everything but the heater that the trip simulates."""
    return sum(burns[a.id].use_g_day for a in ctx.design.gas.appliances if not by_weather(ctx, a)) / 1000


def work_cold(ctx: Context) -> tuple[VapourPressureOut, list[ColdRow]]:
    """The pressure of the gas on the coldest night, and of the other gases beside it."""
    g, cold = ctx.design.gas, coldest(ctx)
    at = max(-400.0, min(5000.0, ctx.climate.elevation_m))
    least = g.regulator.min_gauge_mbar if g.regulator else 300.0
    temp = max(-60.0, min(60.0, cold.value))
    every = {key: vapour_pressure(VapourPressureIn.trusted(gas=key, temp_c=temp, altitude_m=at, min_gauge_mbar=least), {"temp_c": cold}) for key in PRESETS}
    rows = [quick(ColdRow, gas=k, gauge_mbar=v.vapour_pressure_gauge_mbar, usable_frac=v.usable_mass_frac, min_temp_c=v.min_temp_c) for k, v in every.items()]
    return every[g.gas or "propane"], rows


def capacity_kg(v: Vessel, mix: Mixture) -> float:
    """Gas in one full vessel."""
    return v.capacity_kg if v.kind == "cylinder" else v.water_capacity_l * v.fill_limit_frac * mix.liquid_kg_l(15.0)


def work_vessels(ctx: Context, use_kg_day: float, usable_frac: float, trip_days: float | None) -> GasAutonomyOut | None:
    """How long all vessels last, drawn on the coldest night."""
    g = ctx.design.gas
    if not g.vessels:
        return None
    return gas_autonomy(
        GasAutonomyIn.trusted(
            gas=g.gas,
            use_kg_day=use_kg_day,
            reserve_frac=g.reserve_frac,
            price_per_kg=g.price_per_kg,
            trip_days=trip_days,
            vessels=[
                VesselIn.trusted(
                    kind=v.kind,
                    name=v.name,
                    count=v.count,
                    capacity_kg=v.capacity_kg,
                    water_capacity_l=v.water_capacity_l,
                    fill_limit_frac=v.fill_limit_frac,
                    residue_frac=1 - usable_frac,
                    tare_kg=v.tare_kg,
                )
                for v in g.vessels
            ],
        )
    )


def boil(ctx: Context, v: Vessel, mix: Mixture, left: Mixture, demand_kg_h: float | None, hours: float) -> VaporisationLimitOut:
    """One kind of vessel at the least fill on the coldest night, with what is left of the mixture by then."""
    g, cold = ctx.design.gas, coldest(ctx)
    return vaporisation_limit(
        VaporisationLimitIn.trusted(
            propane_frac=left.w[0],
            isobutane_frac=left.w[1],
            n_butane_frac=left.w[2],
            altitude_m=max(-400.0, min(5000.0, ctx.climate.elevation_m)),
            cylinder_diameter_m=v.diameter_m,
            liquid_kg=max(0.01, LEAST_FILL * capacity_kg(v, mix)),
            shell_kg=v.tare_kg,
            count=v.count,
            air_temp_c=max(-40.0, cold.value),
            duration_h=hours,
            demand_kg_h=demand_kg_h,
            min_gauge_mbar=g.regulator.min_gauge_mbar if g.regulator else 300.0,
        ),
        {"air_temp_c": cold},
    )


def work_boil(ctx: Context, use: GasConsumptionOut | None, burns: Mapping[str, BurnPart]) -> tuple[dict[str, VaporisationLimitOut], list[BoilPart]]:
    """Gas an hour of each kind of vessel, and whether those connected suffice: for an hour with everything on, and for a night of heating."""
    g = ctx.design.gas
    mix = mixture(g)
    left = mix.after(coldest(ctx).value, LEAST_FILL)
    alone = {v.id: boil(ctx, v, mix, left, None, TOGETHER_H) for v in g.vessels}
    on = [v for v in g.vessels if v.connected]
    out: list[BoilPart] = []
    if use is None or not on:
        return alone, out
    heat = sum(burns[a.id].rate_g_h * a.count for a in g.appliances if a.kind in ("space_heater", "combi_heater")) / 1000
    asks: list[tuple[Literal["everything", "heating"], float, float]] = [("everything", use.peak_kg_h, TOGETHER_H)]
    if heat > 0:
        asks.append(("heating", heat, NIGHT_H))
    wall = sum(alone[v.id].wetted_area_m2 * v.count for v in on)
    for what, demand, hours in asks:
        # each vessel gives by the wall that its liquid wets
        each = [boil(ctx, v, mix, left, demand * alone[v.id].wetted_area_m2 * v.count / wall, hours) for v in on]
        worst = max(each, key=lambda b: ("continuous", "burst", "too-much").index(b.verdict or "continuous"))
        out.append(
            quick(
                BoilPart,
                what=what,
                hours=hours,
                demand_kg_h=demand,
                continuous_kg_h=sum(b.continuous_kg_h for b in each),
                burst_kg_h=sum(b.burst_kg_h for b in each),
                verdict=worst.verdict or "continuous",
                to_limit_h=min((b.time_to_limit_h for b in each if b.time_to_limit_h is not None), default=None),
            )
        )
    return alone, out
