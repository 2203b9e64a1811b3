"""Summer of a design: the sun on each surface by the hour, what a cooler has to take away, hot cabinets, bays and the drying cupboard."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from pydantic import BaseModel

from bothy.core.constants import ZERO_K
from bothy.core.context import Context
from bothy.core.figure import derived
from bothy.core.method.sources import Method
from bothy.core.power.panels import array_power
from bothy.core.sun.clearness import cloudless, light_of
from bothy.core.sun.geometry import MEAN_DAY, Array, season_of, sun_at
from bothy.core.sun.plane import incidence, onto
from bothy.core.warmth.air import R_V, saturation_pa
from bothy.core.warmth.cabinet import CabinetVentIn, cabinet_vent, room_on_hot_day
from bothy.core.warmth.cooling import (
    AcBatteryHoursIn,
    AcBatteryHoursOut,
    CoolingLoadIn,
    CoolingLoadOut,
    CoolingSums,
    GlazingIn,
    OpaqueIn,
    ac_battery_hours,
    cooling_load,
    cooling_sums,
)
from bothy.core.warmth.heat_loss import BufferTempIn, buffer_temp
from bothy.core.warmth.surfaces import ABSORPTANCE, Shell, Surface

FACING = {"front": 0.0, "right": 90.0, "rear": 180.0, "left": 270.0}
"""Degrees from the nose, clockwise."""
ALBEDO = 0.2
PANEL_SHADE = 0.4
"""What panels on a ventilated gap leave of the roof's sun (method warmth.cooling)."""
SUMMER_VENT_M3_H = 20.0
HOURS: Array = np.arange(24, dtype=np.float64) + 0.5
LATENT_WH_G = 2.45e6 / 3.6e6
AC_RH = 0.5


def day_temps(low_c: float, high_c: float) -> Array:
    """°C by the hour: coldest at 5, warmest at 15."""
    mean, swing = (low_c + high_c) / 2, (high_c - low_c) / 2
    return np.asarray(mean + swing * np.cos(2 * math.pi * (HOURS - 15) / 24))


def sun_on(ctx: Context, month: int, sky: float) -> dict[str, Array]:
    """Sun by the hour on each side in W/m², in solar time, with a part ``sky`` of a cloudless day's clearness."""
    c = ctx.climate
    day = MEAN_DAY[month - 1]
    s = season_of(day)
    sun = sun_at(c.lat_deg, s.dec, HOURS)
    k = np.array([min(0.8, cloudless(c.lat_deg, month, c.elevation_m)) * sky])
    light = light_of(k, c.lat_deg, day, sun.w, sun.cos_z)
    ghi, dhi, dni = light.ghi[0], light.dhi[0], light.dni[0]
    out = {"roof": ghi, "floor": np.zeros(24)}
    for side, from_nose in FACING.items():
        tilt = 90.0
        cos_i = incidence(sun.cos_z, sun.azimuth, tilt, (ctx.design.warmth.heading_deg + from_nose) % 360)
        out[side] = onto(ghi, dhi, dni, light.outside, sun.cos_z, cos_i, tilt, ALBEDO).poa
    return out


def roof_shaded(ctx: Context, roof_m2: float) -> float:
    """Part of the roof that panels on a gap cover."""
    p = ctx.design.power
    watts = sum(array_power(a) for a in p.arrays if a.mounting == "roof_gap" and a.deploy != "ground")
    return min(0.9, watts / 200 / roof_m2) if roof_m2 > 0 else 0.0


def hottest_month(ctx: Context) -> int:
    """The planned month with the warmest days."""
    return max(ctx.months, key=lambda m: ctx.climate.tmax_c[m - 1])


class CoolPart(BaseModel):
    """Summer: the day's curve of load and of the temperature without cooling; the worst hour; the air conditioner on the bank."""

    month: int
    hot_c: float
    outdoor_c: list[float]
    load_w: list[float]
    free_c: list[float]
    worst_hour: int
    total_w: float
    needed_w: float
    free_running_c: float | None
    capacity_w: float | None
    unmet_w: float | None
    duty_frac: float | None
    run_w: float | None
    mean_w: float | None
    bank_h: float | None
    day_wh: float | None
    start_ok: bool | None
    hose_w: float | None


class CabinetPart(BaseModel):
    """A hot cabinet: heat to vent, vents or fan for it, and how warm it gets with those it has."""

    vented_w: float
    fan_m3_h: float
    each_mm2: float
    gross_mm2: float
    temp_c: float | None
    ok: bool | None


class BayPart(BaseModel):
    """A bay at the design cold: temperature, and heat to hold 3 °C."""

    temp_c: float
    b_frac: float | None
    heat_w: float
    safe: bool


class DryingPart(BaseModel):
    """The drying cupboard: temperature, water the air carries off a night, heat that evaporating takes."""

    temp_c: float
    carries_g_h: float
    needs_g_h: float
    heat_w: float
    duct_w: float
    hours: float
    works: bool


@dataclass
class Summer:
    """The sums behind the parts."""

    load: CoolingLoadOut
    ac: AcBatteryHoursOut | None
    cool: CoolPart
    hour_heat: dict[str, list[float]]


def load_at(
    ctx: Context, shell: Shell, hour: int, sun: dict[str, Array], out_c: float, in_c: float, rh: float, vent_m3_h: float, appliances_w: float
) -> CoolingLoadIn:
    """What the cooling load of one hour is reckoned from."""
    w = ctx.design.warmth
    alpha = ABSORPTANCE[w.colour]
    opaque, glazing = [], []
    for s in shell.surfaces:
        light = sun_of(ctx, s, sun, shell, hour)
        if s.opaque:
            opaque.append(
                OpaqueIn.trusted(
                    name=s.id,
                    area_m2=s.area_m2 * s.b_frac,
                    u_value_w_m2k=s.u_effective,
                    irradiance_w_m2=light,
                    absorptance_frac=alpha,
                    horizontal=s.side == "roof",
                )
            )
        else:
            glazing.append(
                GlazingIn.trusted(
                    name=s.id, area_m2=s.area_m2 * s.b_frac, u_value_w_m2k=s.u.value, irradiance_w_m2=light, shgc_frac=s.shgc, shade_transmit_frac=s.transmit
                )
            )
    return CoolingLoadIn.trusted(
        indoor_temp_c=in_c,
        outdoor_temp_c=out_c,
        indoor_rh_frac=AC_RH,
        outdoor_rh_frac=rh,
        people_count=int(ctx.people),
        appliances_w=appliances_w,
        flow_m3_h=vent_m3_h,
        opaque=opaque,
        glazing=glazing,
    )


def sun_of(ctx: Context, s: Surface, sun: dict[str, Array], shell: Shell, hour: int) -> float:
    """Sun on a surface in one hour; panels on a gap shade the roof."""
    light = float(sun[s.side][hour]) if s.side in sun else 0.0
    if s.kind == "canvas":  # it looks every way
        light = sum(float(sun[k][hour]) for k in ("left", "right", "rear", "front")) / 4
    if s.id == "cab_windscreen":
        light = float(max(light, 0.7 * sun["roof"][hour])) if light > 0 else 0.0
    if s.id == "roof":
        part = roof_shaded(ctx, s.area_m2)
        light *= 1 - part + part * PANEL_SHADE
    return light


def appliance_heat(ctx: Context) -> float:
    """Heat of appliances inside in the mean of a summer day, W: what they draw becomes heat."""
    inside = [a for a in ctx.design.life.appliances if a.zone not in ("outside", "roof", "garage") and a.kind not in ("heating",)]
    return float(sum(a.count * a.running_w * duty_of(a) for a in inside))


def duty_of(a: object) -> float:
    """Part of the day that an appliance runs."""
    duty = getattr(a, "duty_frac", None)
    if duty is not None:
        return float(duty)
    hours = getattr(a, "hours_per_day", None)
    if hours is not None:
        return float(hours) / 24
    uses, minutes = getattr(a, "uses_per_day", None), getattr(a, "minutes_per_use", None)
    if uses is not None and minutes is not None:
        return float(uses * minutes / 1440)
    return 0.3


def work_summer(ctx: Context, shell: Shell, ua_w_k: float, capacity_j_k: float) -> Summer:
    """The hot day of a design by the hour, and the air conditioner against it."""
    w, c = ctx.design.warmth, ctx.climate
    month = hottest_month(ctx)
    hot = ctx.hot_c
    low = hot - (c.tmax_c[month - 1] - c.tmin_c[month - 1])
    temps = day_temps(low, hot)
    sun = sun_on(ctx, month, 1.0)
    rh = c.rh_frac[month - 1]
    set_c = w.cooler.set_c if w.cooler else 26.0
    damp = rh * saturation_pa((low + hot) / 2)
    loads, by_surface = [], {s.id: [0.0] * 24 for s in shell.surfaces}
    worst, hardest, inside_w = 15, None, appliance_heat(ctx)
    for h in range(24):
        out_rh = min(1.0, max(0.02, damp / saturation_pa(float(temps[h]))))
        asked = load_at(ctx, shell, h, sun, float(temps[h]), set_c, out_rh, SUMMER_VENT_M3_H, inside_w)
        one = cooling_sums(asked)
        loads.append(one)
        for name, _, watts in one.opaque:
            by_surface[name][h] = watts
        for s in shell.surfaces:
            if not s.opaque:
                by_surface[s.id][h] = s.area_m2 * s.b_frac * (sun_of(ctx, s, sun, shell, h) * s.shgc * s.transmit + s.u.value * (float(temps[h]) - set_c))
        if hardest is None or one.total_w > loads[worst].total_w:
            worst, hardest = h, asked
    assert hardest is not None
    most = cooling_load(hardest)
    free = _free_running(ctx, loads, temps, ua_w_k, capacity_j_k)
    ac = None
    if w.cooler is not None:
        native = {12: "native_12v", 24: "native_24v", 48: "native_48v"}[ctx.system_v]
        bank, inverter = ctx.design.power.bank, ctx.design.power.inverter
        energy = bank.unit_voltage_v * bank.unit_charge_ah * bank.series_count * bank.parallel_count if bank else 1.0
        ac = ac_battery_hours(
            AcBatteryHoursIn.trusted(
                cooling_load_w=most.total_w,
                capacity_w=w.cooler.capacity_w,
                eer=w.cooler.eer,
                supply=native if w.cooler.supply == "native" else "inverter",
                battery_voltage_v=ctx.bank_v,
                fan_power_w=w.cooler.fan_power_w,
                battery_energy_wh=energy,
                usable_frac=ctx.usable_frac,
                exhaust_hose_flow_m3_h=w.cooler.hose_flow_m3_h,
                indoor_temp_c=min(40.0, max(10.0, set_c)),
                outdoor_temp_c=min(60.0, hot),
                compressor=w.cooler.compressor,
                inverter_surge_w=(inverter.surge_power_w or inverter.rating_w) if inverter else None,
            )
        )
    day_wh = None
    if ac is not None and w.cooler is not None:
        net = max(1.0, ac.net_capacity_w)
        day_wh = sum(min(1.0, max(0.0, x.total_w) / net) * ac.run_power_w for x in loads)
    cool = CoolPart(
        month=month,
        hot_c=hot,
        outdoor_c=[float(t) for t in temps],
        load_w=[x.total_w for x in loads],
        free_c=free,
        worst_hour=worst,
        total_w=most.total_w,
        needed_w=most.needed_w,
        free_running_c=most.free_running_temp_c,
        capacity_w=ac.net_capacity_w if ac else None,
        unmet_w=ac.unmet_w if ac else None,
        duty_frac=ac.duty_frac if ac else None,
        run_w=ac.run_power_w if ac else None,
        mean_w=ac.mean_power_w if ac else None,
        bank_h=ac.time_h if ac else None,
        day_wh=day_wh,
        start_ok=ac.start_ok if ac else None,
        hose_w=ac.hose_penalty_w if ac else None,
    )
    return Summer(most, ac, cool, by_surface)


def _free_running(ctx: Context, loads: list[CoolingSums], temps: Array, ua_w_k: float, capacity_j_k: float) -> list[float]:
    """Temperature inside by the hour without cooling: each hour's balance, slowed by what is stored; two days round so that the first is forgotten."""
    tau = capacity_j_k / max(1.0, ua_w_k) / 3600
    keep = math.exp(-1 / max(0.05, tau))
    at, out = float(temps[0]), []
    for n in range(72):
        h = n % 24
        end = loads[h].free_c
        at = (end if end is not None else float(temps[h])) * (1 - keep) + at * keep
        if n >= 48:
            out.append(at)
    return out


def winter_hours(ctx: Context, shell: Shell, indoor_c: float) -> tuple[list[float], dict[str, list[float]], list[float]]:
    """The coldest month's day: outdoors, heat that leaves each surface by the hour (less where the sun shines, half a cloudless day's clearness),
    and what remains to heat."""
    month = min(ctx.months, key=lambda m: ctx.climate.tmin_c[m - 1])
    spread = ctx.climate.tmax_c[month - 1] - ctx.climate.tmin_c[month - 1]
    temps = day_temps(ctx.cold_c, ctx.cold_c + spread)
    sun = sun_on(ctx, month, 0.5)
    alpha = ABSORPTANCE[ctx.design.warmth.colour]
    out: dict[str, list[float]] = {}
    whole = [0.0] * 24
    for s in shell.surfaces:
        row = []
        for h in range(24):
            light = sun_of(ctx, s, sun, shell, h)
            gain = s.u_effective / 17 * alpha * light if s.opaque else s.shgc * s.transmit * light
            row.append(s.ua * (indoor_c - float(temps[h])) - gain * s.area_m2 * s.b_frac)
            whole[h] += row[-1]
        out[s.id] = row
    return [float(t) for t in temps], out, whole


def cabinets(ctx: Context) -> dict[str, CabinetPart]:
    """Hot cabinets on the hot day."""
    out = {}
    for c in ctx.design.warmth.cabinets:
        room = room_on_hot_day(ctx.hot_c, c.max_c)
        both = c.low_mm2 is not None and c.high_mm2 is not None
        case = c.case_area_m2 if c.case_area_m2 > 0 or (both and min(c.low_mm2 or 0, c.high_mm2 or 0) > 0) else 0.2
        r = cabinet_vent(
            CabinetVentIn.trusted(
                heat_w=c.heat_w,
                room_temp_c=room,
                max_cabinet_temp_c=c.max_c,
                stack_height_m=c.stack_height_m,
                case_area_m2=case,
                low_area_mm2=c.low_mm2 if both else None,
                high_area_mm2=c.high_mm2 if both else None,
            )
        )
        ctx.book.put_all(f"cabinets/{c.id}", r.working)
        out[c.id] = CabinetPart(
            vented_w=r.vented_heat_w,
            fan_m3_h=r.fan_flow_m3_h,
            each_mm2=r.vent_area_each_mm2,
            gross_mm2=r.grille_gross_each_mm2,
            temp_c=r.cabinet_temp_c,
            ok=r.adequate,
        )
    return out


def bays(ctx: Context) -> dict[str, BayPart]:
    """Bays at the design cold, with the night's temperature inside."""
    out = {}
    for b in ctx.design.warmth.bays:
        r = buffer_temp(
            BufferTempIn.trusted(
                indoor_temp_c=ctx.night_c,
                outdoor_temp_c=ctx.cold_c,
                ua_to_living_w_k=b.ua_to_living_w_k,
                ua_to_outside_w_k=b.ua_to_outside_w_k,
                heat_w=b.heat_w,
            )
        )
        ctx.book.put_all(f"bays/{b.id}", r.working)
        out[b.id] = BayPart(temp_c=r.buffer_temp_c, b_frac=r.b_frac, heat_w=r.heat_needed_w, safe=r.frost_safe)
    return out


DRY_RH = 0.75
"""Humidity at which the air leaves the cupboard."""


def drying(ctx: Context, duct_w: float, room_rh: float) -> DryingPart | None:
    """Whether the drying cupboard dries what hangs in it: room air in, warmed by its duct, out damp (method warmth.moisture)."""
    d = ctx.design.warmth.drying
    if d is None:
        return None
    from bothy.core.warmth.air import PER_FLOW

    need = d.water_g / d.hours
    heat = max(0.0, duct_w)
    temp, carried = ctx.indoor_c, 0.0
    v_in = room_rh * saturation_pa(ctx.indoor_c) / (R_V * (ctx.indoor_c + ZERO_K)) * 1000
    for _ in range(60):  # the wetter the air gets, the more it cools: found by closing in
        t = min(70.0, ctx.indoor_c + (heat - carried * LATENT_WH_G) / (PER_FLOW * d.flow_m3_h))
        t = max(0.0, (t + temp) / 2)
        v_out = DRY_RH * saturation_pa(t) / (R_V * (t + ZERO_K)) * 1000
        carried, temp = 0.5 * carried + 0.5 * max(0.0, d.flow_m3_h * (v_out - v_in)), t
    here = Method("warmth.moisture")
    told = {
        "temp_c": derived(
            "temp_c", "room air + (heat of the duct − what evaporates)/(0.33533·Q)", temp, here, duct_w=heat, flow_m3_h=d.flow_m3_h, indoor_temp_c=ctx.indoor_c
        ),
        "carries_g_h": derived("carries_g_h", "Q·(vapour out at 75 % − vapour in)", carried, here, flow_m3_h=d.flow_m3_h, room_rh_frac=room_rh),
        "needs_g_h": derived("needs_g_h", "water/hours", need, here, water_g=d.water_g, hours_h=d.hours),
        "heat_w": derived("heat_w", "0.681 Wh/g·g/h", need * LATENT_WH_G, here, needs_g_h=need),
    }
    ctx.book.put_all("drying", told)
    return DryingPart(
        temp_c=temp,
        carries_g_h=carried,
        needs_g_h=need,
        heat_w=need * LATENT_WH_G,
        duct_w=heat,
        hours=d.water_g / carried if carried > 0 else 1e6 if d.water_g else 0.0,
        works=carried >= need,
    )
