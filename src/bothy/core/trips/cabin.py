"""The cabin of a design as the trip reckons with it: one store of heat and one of damp, from Warmth (methods trips.run, warmth.heat-loss)."""

from __future__ import annotations

from dataclasses import dataclass

from bothy.core.constants import PERSON_AWAKE_W
from bothy.core.context import Context
from bothy.core.trips import places as k
from bothy.core.trips.itinerary import clock_h
from bothy.core.trips.stores import gas_numbers, store_numbers
from bothy.core.warmth.air import PER_FLOW, density_ratio
from bothy.core.warmth.airing import ASLEEP_H, inlets, work_air
from bothy.core.warmth.heater import FUELS
from bothy.core.warmth.heating import capacity
from bothy.core.warmth.summer import appliance_heat, bays, roof_shaded
from bothy.core.warmth.surfaces import ABSORPTANCE, work_shell

MORNING_H, NIGHT_H = 7.0, 22.0
ASLEEP_G_H, AWAKE_G_H = 40.0, 55.0
UPRIGHT = 0.5
"""Part of the light on the flat that an upright face gets in the mean of all ways that it may look (typical)."""
H_OUT = 17.0
ROOF_LEFT = 0.4
DOOR_OPEN_M3_H = 150.0
"""Air through open doors and windows where there is no fan (typical)."""
ENDLESS = 1e6
FREE_MM2 = 240000.0
"""Inlets from which on a roof fan gives about what its label says (method warmth.ventilation)."""
USUAL_HEATER_W, USUAL_EFFICIENCY = 4000.0, 0.8


@dataclass(frozen=True)
class Thermal:
    """Numbers of the kernel that come from Warmth and Water, by their place in the plan; appliances whose electricity the heater or cooler stands for."""

    numbers: dict[int, float]
    stands_for: frozenset[str]


def sun_aperture(ctx: Context) -> float:
    """Area in m² that would take in as much sun as all glass and warm skins, for each W/m² on the flat."""
    shell = work_shell(ctx)
    alpha = ABSORPTANCE[ctx.design.warmth.colour]
    whole = 0.0
    for s in shell.surfaces:
        seen = 1.0 if s.side == "roof" else 0.0 if s.side == "floor" else UPRIGHT
        if s.id == "roof":
            shaded = roof_shaded(ctx, s.area_m2)
            seen *= 1 - shaded * (1 - ROOF_LEFT)
        part = s.shgc * s.transmit if not s.opaque else s.u_effective * alpha / H_OUT
        whole += s.area_m2 * s.b_frac * part * seen
    return whole


def thermal_of(ctx: Context) -> Thermal:
    """The cabin's numbers. Where Warmth says nothing, a usual shell stands; a heater then only where Life has one, and its electricity is that of Life."""
    w, shell = ctx.design.warmth, work_shell(ctx)
    air = work_air(ctx, shell).part
    flow = (air.day_flow_m3_h * (24 - ASLEEP_H) + air.night_flow_m3_h * ASLEEP_H) / 24
    _, whole = capacity(shell, shell.areas.floor_area_m2)
    ua = sum(s.ua for s in shell.surfaces) + PER_FLOW * density_ratio(ctx.climate.elevation_m) * flow
    damp = max(0.0, air.day_g_h - ctx.people * AWAKE_G_H)
    coldest = max((s.u_effective for s in shell.surfaces if s.area_m2 > 0.05 and s.b_frac == 1), default=1.0)
    fans = sum(v.flow_max_m3_h or 0.0 for v in w.vents if v.kind in ("roof_fan", "wall_fan"))
    ahead = clock_h(ctx.design)
    fans *= min(1.0, inlets(ctx, False) / FREE_MM2)
    n = {
        k.UA: ua,
        k.C_CABIN: whole / 3600,
        k.APERTURE: sun_aperture(ctx),
        k.GAIN: appliance_heat(ctx),
        k.PERSON: PERSON_AWAKE_W,
        k.SET_DAY: ctx.indoor_c,
        k.SET_NIGHT: ctx.night_c,
        k.DAY_FROM: MORNING_H - ahead,
        k.DAY_TO: NIGHT_H - ahead,
        k.MOIST_AWAKE: AWAKE_G_H,
        k.MOIST_ASLEEP: ASLEEP_G_H,
        k.MOIST_DAY: damp,
        k.AIR_FLOW: max(1.0, flow),
        k.VOLUME: shell.areas.volume_m3,
        k.COLD_FACE: min(0.95, coldest * 0.13),
        k.VENT_UA: PER_FLOW * max(DOOR_OPEN_M3_H, fans),
        k.HEATER_W: 1.0,
        k.ETA_HEATER: 1.0,
    }
    stands: set[str] = set()
    if w.heaters:
        h = w.heaters[0]
        f = FUELS[h.fuel]
        eta = h.efficiency_frac or f.efficiency
        sigma = density_ratio(ctx.climate.elevation_m) if h.fuel != "electric" else 1.0
        n |= {
            k.HEATER_W: h.max_w * sigma,
            k.HEAT_LEAST: h.min_w * sigma,
            k.EL_LEAST: h.run_min_w,
            k.EL_MOST: h.run_max_w,
            k.START_WH: h.start_energy_wh,
            k.ETA_HEATER: eta,
        }
        if h.fuel in ("diesel", "petrol", "kerosene"):
            n |= {
                k.HEATER: k.BY_DIESEL,
                k.ETA_HEATER: eta * (f.kwh_kg or 0) * (f.kg_l or 0) / k.LHV_DIESEL,
                k.HAS_DIESEL: 1.0,
                k.DIESEL: h.tank_volume_l * h.tank_usable_frac if h.tank_volume_l is not None else ENDLESS,
            }
        elif h.burns_gas:
            n |= {
                k.HEATER: k.BY_GAS,
                k.ETA_HEATER: eta * (f.kwh_kg or 0) / k.LHV_GAS,
                k.HAS_GAS: 1.0,
                k.GAS: h.tank_mass_kg if h.tank_mass_kg is not None else ENDLESS,
            }
        else:
            n[k.HEATER] = k.BY_MAINS if h.fuel == "electric" else k.BY_OTHER
        if h.appliance is not None:
            stands.add(h.appliance)
    elif any(a.kind == "heating" and a.count > 0 and a.running_w < 200 for a in ctx.design.life.appliances):
        n |= {k.HEATER: k.BY_DIESEL, k.HEATER_W: USUAL_HEATER_W, k.ETA_HEATER: USUAL_EFFICIENCY, k.HAS_DIESEL: 1.0, k.DIESEL: ENDLESS}
    c = w.cooler
    if c is not None:
        n |= {
            k.COOL_W: c.capacity_w,
            k.COOL_SET: c.set_c,
            k.COOL_EER: c.eer,
            k.COOL_FAN: c.fan_power_w,
            k.COOL_TIER: 1.0,
            k.COOL_AC: float(c.supply == "inverter"),
            k.COOL_HOSE: c.hose_flow_m3_h,
            k.COOL_FROM: max(0.0, c.from_h - ahead),
            k.COOL_TO: c.to_h if c.to_h >= 24 else max(0.0, c.to_h - ahead),
            k.COOL_SHORE: float(c.hookup_only),
        }
        if c.appliance is not None:
            stands.add(c.appliance)
    wet = [b for id, b in bays(ctx).items() if next(x for x in w.bays if x.id == id).water]
    worst = max((b.b_frac for b in wet if b.b_frac is not None), default=None)
    if worst is not None:
        n |= {k.HAS_BAY: 1.0, k.BAY_B: worst}
    return Thermal(n | store_numbers(ctx) | gas_numbers(ctx), frozenset(stands))
