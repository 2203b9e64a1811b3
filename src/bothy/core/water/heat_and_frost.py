"""Hot water of a design, and its wet parts in the cold (methods water.instant and water.freezing)."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from statistics import mean
from typing import Any

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.water import HotWater, PipeRun, Water
from bothy.core.fluid import area_m2
from bothy.core.water.frost import FreezeHoldIn, freeze_hold
from bothy.core.water.hot import InstantHeatIn, MixedWaterIn, StorageHeatTimeIn, expansion_vessel_l, flowing_heat, instant_heat, mixed_water, storage_heat_time
from bothy.core.water.stores import TankPart
from bothy.core.words.says import water_says as says

COLD_IN_C, SHOWER_C = 10.0, 38.0
BARE_U, FOAM_K, PIPE_U = 12.0, 0.036, 12.0
WALL_MM = 2.0
HOLD_C = 4.0
"""What a tank's thermostat keeps, °C (typical)."""


class HotPart(BaseModel):
    """Hot water: minutes to heat, shower it gives, energy and charge of one heating, losses; expansion and its vessel; seconds to a burn."""

    time_min: float | None
    max_c: float
    stored_wh: float | None
    charge_ah: float | None
    standing_w: float | None
    mixed_l: float | None
    shower_min: float | None
    endless: bool
    needed_w: float
    reachable_c: float | None
    expansion_l: float
    vessel_l: float | None
    burn: str | None


class FrostPart(BaseModel):
    """A part with water outside the heated body on the coldest night: hours to 0 °C and to ice, heat that holds it."""

    subject: str
    name: str
    litres: float
    to_zero_h: float | None
    to_ice_h: float | None
    hold_w: float
    hold_ah_day: float
    held: bool


BURNS = ((48, "15 min"), (50, "5 min"), (52, "2 min"), (55, "30 s"), (57, "10 s"), (60, "5 s"), (66, "2 s"), (70, "1 s"))


def burn_time(temp_c: float) -> str | None:
    """Time to a serious burn of adult skin; a child's is about half (method water.mixing, typical)."""
    found = [t for c, t in BURNS if temp_c >= c]
    return found[-1] if found else None


def hottest_c(ctx: Context, h: HotWater) -> float:
    """The hottest that the heater's water can get, °C: on Warmth's loop what the loop carries, else its coolant or its setting."""
    loop = ctx.design.warmth.loop
    return max(h.target_temp_c, loop.supply_c) if h.source == "loop" and loop is not None else h.max_c


STORED = ("time_min", "stored_wh", "charge_ah", "standing_w", "mixed_l", "shower_min", "reachable_c")
"""What only some heaters have: a store what it holds, one without a store how warm it gets the shower."""


def _hot(ctx: Context, h: HotWater, needed_w: float, room_l: tuple[float, float | None], *, endless: bool, **has: float | None) -> HotPart:
    """The part of hot water; ``room_l``: what it grows by and the vessel for it, L; ``has`` of :data:`STORED` what this heater has."""
    return quick(
        HotPart,
        **{**dict.fromkeys(STORED), **has},
        max_c=hottest_c(ctx, h),
        endless=endless,
        needed_w=needed_w,
        expansion_l=room_l[0],
        vessel_l=room_l[1],
        burn=burn_time(hottest_c(ctx, h)),
    )


def work_hot(ctx: Context, h: HotWater, shower_l_min: float, loop_l_min: float | None) -> HotPart:
    """Hot water of a design; ``loop_l_min``: what the plate exchanger of Warmth's loop gives at 38 °C, L/min; figures go into the book."""
    put = ctx.book.put
    needed = put("water/shower_heat_w", flowing_heat(shower_l_min, SHOWER_C - COLD_IN_C).named(says("heat-shower")))
    room = expansion_vessel_l(h.volume_l if h.kind == "storage" else 0.5, COLD_IN_C, hottest_c(ctx, h), 200.0, h.relief_kpa or 600.0)
    if h.kind == "instant" and h.source == "loop":
        gives = loop_l_min or 0.0
        reach = COLD_IN_C + (SHOWER_C - COLD_IN_C) * gives / shower_l_min if shower_l_min > 0 else None
        return _hot(ctx, h, needed.value, room, reachable_c=reach, endless=reach is not None and reach >= SHOWER_C)
    if h.kind == "instant":
        able = instant_heat(
            InstantHeatIn.trusted(
                solve_for="flow", inlet_temp_c=COLD_IN_C, efficiency_frac=h.efficiency_frac, outlet_temp_c=SHOWER_C, heat_input_w=max(1.0, h.heat_w)
            )
        )
        reach = COLD_IN_C + h.heat_w * h.efficiency_frac * (SHOWER_C - COLD_IN_C) / needed.value if needed.value > 0 else None
        put("water/warm_flow_l_min", able.figure("flow_l_min").named(says("flow-at")))
        return _hot(ctx, h, needed.value, room, reachable_c=reach, endless=reach is not None and reach >= SHOWER_C)
    burner = h.heat_w if h.source in ("gas", "diesel", "gas_element") else 0.0
    element = h.element_w if h.element else 0.0
    electric = h.source == "element"
    start = min(COLD_IN_C, h.target_temp_c - 1)
    time = storage_heat_time(
        StorageHeatTimeIn.trusted(
            volume_l=h.volume_l,
            start_temp_c=start,
            target_temp_c=h.target_temp_c,
            ambient_temp_c=15.0,
            loss_w_k=h.loss_w_k,
            heat_w=burner if burner else element,
            coil_ua_w_k=h.coil_ua_w_k if h.coil else 0.0,
            coolant_temp_c=h.coolant_temp_c,
            coolant_flow_l_min=h.coolant_flow_l_min,
            supply="other" if not electric or h.element_supply == "shore" else h.element_supply,
            battery_voltage_v=ctx.bank_v,
        )
    )
    mixed = None
    if h.target_temp_c > SHOWER_C:
        mixed = mixed_water(
            MixedWaterIn.trusted(
                hot_volume_l=h.volume_l, hot_temp_c=h.target_temp_c, cold_temp_c=COLD_IN_C, mix_temp_c=SHOWER_C, mix_flow_l_min=max(0.5, shower_l_min)
            )
        )
        if mixed.mixed_volume_l is not None:
            put("water/mixed_l", mixed.figure("mixed_volume_l").named(says("water-at")))
            put("water/shower_min", mixed.figure("shower_time_min").named(says("shower-gives")))
    for key, label in (
        ("time_min", says("time-to-heat")),
        ("stored_energy_wh", says("heat-in-boiler")),
        ("standing_loss_w", says("standing-loss")),
        ("battery_charge_ah", says("charge-one-heating")),
    ):
        if getattr(time, key) is not None:
            put(f"water/{key}", time.figure(key).named(label))
    return _hot(
        ctx,
        h,
        needed.value,
        room,
        endless=bool(mixed and mixed.endless),
        time_min=time.time_min,
        stored_wh=time.stored_energy_wh,
        charge_ah=time.battery_charge_ah,
        standing_w=time.standing_loss_w,
        mixed_l=mixed.mixed_volume_l if mixed else None,
        shower_min=mixed.shower_time_min if mixed else None,
    )


def pipe_litres(r: PipeRun) -> float:
    """Water in a run."""
    return 1000 * area_m2(r.inner_diameter_mm) * r.length_m


def tank_ua(full_l: float, foam_mm: float) -> float:
    """W/K of a tank outside the body, by its volume (a box of 2 : 1.3 : 1) and foam; typical."""
    side = float((full_l / 1000 / 2.6) ** (1 / 3))
    area = side * side * 2 * (2 * 1.3 + 2 + 1.3)
    return area / (1 / BARE_U + foam_mm / 1000 / FOAM_K)


def frost_use(ctx: Context) -> dict[str, Any]:
    """How a tank's heater, sized for the coldest night, is used as a line of Life: hours on a day of the season that needs it most, and that of the
    others beside it. The air of a day swings between the months' mean minimum and maximum; the thermostat holds :data:`HOLD_C`."""
    cold = min(ctx.coldest_night().value, HOLD_C - 1)

    def on(month: int) -> float:
        lo, hi = ctx.climate.tmin_c[month - 1], ctx.climate.tmax_c[month - 1]
        air = ((lo + hi) / 2 - (hi - lo) / 2 * math.cos(math.pi * (h + 0.5) / 12) for h in range(24))
        return sum(min(1.0, max(0.0, HOLD_C - t) / (HOLD_C - cold)) for t in air)

    seasons = {s: mean(on(m) for m in ctx.season_months(s)) for s in ("winter", "shoulder", "summer")}
    most = max(0.1, *seasons.values())
    return {
        "supply": "dc",
        "zone": "outside",
        "kind": "other",
        "hours_per_day": round(most, 1),
        "season_factors": {s: round(h / most, 2) for s, h in seasons.items()},
    }


@dataclass(frozen=True, slots=True)
class WetPart:
    """A part with water outside the heated body: half a tank's litres or a pipe's, W/K to the air, its heater in W."""

    subject: str
    name: str
    litres: float
    loss_w_k: float
    heater_w: float


def wet_parts(w: Water, tanks: Mapping[str, TankPart]) -> list[WetPart]:
    """Tanks, half full, and pipes that lie outside the heated body."""
    out = [
        WetPart(f"tank:{t.id}", t.name, tanks[t.id].full_l / 2, tank_ua(tanks[t.id].full_l, t.foam_mm), t.heater_w)
        for t in w.tanks
        if t.place != "inside" and t.id in tanks and tanks[t.id].full_l > 0
    ]
    for r in w.runs:
        if r.place != "inside" and r.length_m > 0:
            out.append(WetPart(f"pipe:{r.id}", r.name, pipe_litres(r), PIPE_U * math.pi * (r.inner_diameter_mm + 2 * WALL_MM) / 1000 * r.length_m, 0.0))
    return out


def work_frost(ctx: Context, w: Water, tanks: dict[str, TankPart]) -> list[FrostPart]:
    """The wet parts on the coldest night, when it freezes; the heat that holds them goes into the book."""
    cold = ctx.coldest_night().value
    if cold >= 0:
        return []
    out = []
    for p in wet_parts(w, tanks):
        f = freeze_hold(FreezeHoldIn.trusted(volume_l=p.litres, outside_temp_c=cold, loss_w_k=p.loss_w_k, heater_w=p.heater_w, battery_voltage_v=ctx.bank_v))
        ctx.book.put(f"frost/{p.subject.replace(':', '/')}/hold_heat_w", f.figure("hold_heat_w").named(says("heat-that-holds", p_name=p.name)))
        out.append(
            quick(
                FrostPart,
                subject=p.subject,
                name=p.name,
                litres=p.litres,
                to_zero_h=f.time_to_zero_h,
                to_ice_h=f.time_to_ice_h,
                hold_w=f.hold_heat_w,
                hold_ah_day=f.hold_charge_ah_day,
                held=f.time_to_zero_h is None,
            )
        )
    return out
