"""Air and damp of a design: what gives off moisture, what carries it off by day and night, CO₂ while people sleep, fixed vents for gas."""

from __future__ import annotations

from dataclasses import dataclass

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.design.warmth import Vent
from bothy.core.figure import Figure
from bothy.core.gas.room import room_inputs
from bothy.core.warmth.air import saturation_pa
from bothy.core.warmth.moisture import DampSurface, MoistureBalanceIn, MoistureBalanceOut, MoistureSource, moisture_balance
from bothy.core.warmth.surfaces import Shell
from bothy.core.warmth.ventilation import PERSON_L_H, GasVentAreaIn, GasVentAreaOut, VentRateIn, VentRateOut, gas_vent_area, vent_rate
from bothy.core.words.says import warmth_says as says

ASLEEP_H = 8.0
MEALS, SHOWERS = 2.0, 0.5
WINDOW_MM2 = 40000.0
"""Free area of a window set ajar (typical)."""
DOOR_M3_H = 12.0
"""Mean air through the doors in use by day: four openings an hour (typical)."""
STACK_M = 1.5
OPEN_M3_H = 150.0
"""Through windows that stand open in nights too warm for the heater (typical)."""


class DampRowOut(BaseModel):
    """What one thing gives off in the mean of a day, g/h."""

    what: str
    g_h: float


class AirPart(BaseModel):
    """Air and damp: by day and by night, in the coldest planned month."""

    outdoor_c: float
    night_flow_m3_h: float
    day_flow_m3_h: float
    sources: list[DampRowOut]
    day_g_h: float
    night_g_h: float
    day_rh_frac: float
    night_rh_frac: float
    night_dew_c: float
    flow_for_60_m3_h: float | None
    vent_heat_w: float
    co2_ppm: float | None
    co2_at_end_ppm: float
    co_ppm: float | None
    surfaces: dict[str, DampSurfacePart]
    gas_high_mm2: float | None
    gas_low_mm2: float | None
    have_high_mm2: float
    have_low_mm2: float
    gas_ok: bool | None


class DampSurfacePart(BaseModel):
    """A surface by night: temperature, humidity at it, flow that keeps it dry."""

    surface_c: float
    rh_frac: float
    wet: bool
    mould: bool
    dry_flow_m3_h: float | None


AirPart.model_rebuild()


@dataclass
class Air:
    """The sums behind the part."""

    night: MoistureBalanceOut
    day: MoistureBalanceOut
    passive: VentRateOut
    co2: VentRateOut
    fans: dict[str, VentRateOut]
    gas: GasVentAreaOut | None
    part: AirPart


def inside(asked_c: float, out_c: float) -> float:
    """Temperature inside that the damp is reckoned with: as asked for, and where it is warm outside a little over that."""
    return max(asked_c, out_c + 2.0)


def outdoor_rh(ctx: Context) -> float:
    """Humidity outside in the nights of the coldest planned month: the vapour of the month's mean air, cooled."""
    c, m = min(ctx.met(), key=lambda x: x[0].tmin_c[x[1] - 1])
    mean = (c.tmin_c[m - 1] + c.tmax_c[m - 1]) / 2
    return min(1.0, c.rh_frac[m - 1] * saturation_pa(mean) / saturation_pa(c.tmin_c[m - 1]))


def month_cold(ctx: Context) -> float:
    """Mean night temperature of the coldest planned month: what the damp is reckoned with, since damp takes days."""
    return min(c.tmin_c[m - 1] for c, m in ctx.met())


def damp_sources(ctx: Context, *, asleep: bool) -> list[MoistureSource]:
    """What gives off moisture while people sleep, or over the waking day (its events in the mean of 16 h)."""
    d, n = ctx.design.warmth.damp, ctx.people
    if asleep:
        out = [MoistureSource(name=says("people-asleep"), kind="person_asleep", count=n)]
    else:
        per = 24 / (24 - ASLEEP_H)
        out = [
            MoistureSource(name=says("people-awake"), kind="person_awake", count=n),
            MoistureSource(name=says("meals"), kind="meal", count=(d.meals_per_day if d.meals_per_day is not None else MEALS) * per),
            MoistureSource(name=says("showers"), kind="shower", count=(d.showers_per_day if d.showers_per_day is not None else SHOWERS) * per),
        ]
        if d.wet_clothes_kg_per_day > 0 and ctx.design.warmth.drying is None:
            out.append(MoistureSource(name=says("wet-clothes"), kind="clothes_kg", count=d.wet_clothes_kg_per_day * per))
        if d.wet_coats_per_day > 0:
            out.append(MoistureSource(name=says("wet-coats"), kind="wet_coat", count=d.wet_coats_per_day * per))
        if d.hob_kw > 0 and d.hob_h_per_day > 0:
            hours = min(24.0, d.hob_h_per_day * per)
            out.append(MoistureSource(name="hob", kind=f"{d.hob_fuel}_kw", count=d.hob_kw, hours_per_day=hours))  # type: ignore[arg-type]
    if d.dogs:
        out.append(MoistureSource(name="dogs", kind="dog", count=float(d.dogs)))
    if ctx.design.warmth.drying is not None and ctx.design.warmth.drying.vented == "inside":
        out.append(MoistureSource(name=says("drying-cupboard-into-room"), rate_g_h=ctx.design.warmth.drying.water_g / 24))
    return out


def fan_rate(ctx: Context, v: Vent, volume_m3: float, inlet_mm2: float) -> VentRateOut:
    """A fan with the inlets that are open."""
    return vent_rate(
        VentRateIn.trusted(
            mode="fan",
            volume_m3=volume_m3,
            fan_flow_max_m3_h=v.flow_max_m3_h,
            fan_pressure_max_pa=v.pressure_max_pa,
            speed_frac=v.speed_frac,
            inlet_area_mm2=max(1.0, inlet_mm2),
            fan_power_max_w=v.power_max_w,
        )
    )


def _areas(vents: list[Vent], *kinds: str, night: bool = False) -> float:
    return sum(v.free_area_mm2 for v in vents if v.kind in kinds and (not night or v.at_night or not v.closable))


def inlets(ctx: Context, night: bool) -> float:
    """Free area through which air comes in, mm²: low and wall vents and open windows; by day a window of the shell set ajar; the shell's gaps where
    there is nothing else."""
    w = ctx.design.warmth
    found = _areas(w.vents, "fixed_low", "fixed_wall_high", "window", night=night)
    if not night and any(o.kind == "window" for o in w.openings):
        found += WINDOW_MM2
    return found or LEAK_AREA_MM2


def leak_m3_h(ctx: Context, shell: Shell) -> float:
    """Air that leaks through the shell."""
    return shell.areas.volume_m3 * ctx.leak_per_h


def _damp(ctx: Context, indoor_c: float, outdoor_c: float, flow_m3_h: float, asleep: bool, surfaces: list[DampSurface]) -> MoistureBalanceOut:
    """Damp of a night or a day."""
    return moisture_balance(
        MoistureBalanceIn.trusted(
            indoor_temp_c=indoor_c,
            outdoor_temp_c=outdoor_c,
            outdoor_rh_frac=outdoor_rh(ctx),
            flow_m3_h=flow_m3_h,
            sources=damp_sources(ctx, asleep=asleep),
            surfaces=surfaces,
        )
    )


def _gas_vents(ctx: Context, shell: Shell, burning_w: float, flued_w: float) -> GasVentAreaOut | None:
    """Permanent openings that flames in the room ask for, beside those that are there."""
    if burning_w <= 0 and flued_w <= 0:
        return None
    open_ = [v for v in ctx.design.warmth.vents if not v.closable]
    return gas_vent_area(
        GasVentAreaIn.trusted(
            region=ctx.region.key,
            unflued_input_w=burning_w,
            open_flued_input_w=flued_w,
            floor_area_m2=min(60.0, shell.areas.floor_area_m2),
            people_count=int(ctx.people),
            high_vent_location="roof" if any(v.kind == "fixed_roof" for v in ctx.design.warmth.vents) else "wall",
            provided_high_mm2=_areas(open_, "fixed_roof", "fixed_wall_high"),
            provided_low_mm2=_areas(open_, "fixed_low"),
        )
    )


def work_air(ctx: Context, shell: Shell) -> Air:
    """Air, damp and gases of a design."""
    w = ctx.design.warmth
    volume, out_c = shell.areas.volume_m3, month_cold(ctx)
    night_in, day_in = inside(ctx.night_c, out_c), inside(ctx.indoor_c, out_c)
    low, high = _areas(w.vents, "fixed_low", night=True), _areas(w.vents, "fixed_roof", "fixed_wall_high", night=True)
    passive = vent_rate(
        VentRateIn.trusted(
            mode="passive",
            volume_m3=volume,
            low_area_mm2=low,
            high_area_mm2=high,
            stack_height_m=min(STACK_M, ctx.inside_height_m),
            indoor_temp_c=night_in,
            outdoor_temp_c=out_c,
        )
    )
    leak = leak_m3_h(ctx, shell)
    fans = {v.id: fan_rate(ctx, v, volume, inlets(ctx, v.at_night)) for v in w.vents if v.is_fan}
    night_fan = sum(fans[v.id].flow_m3_h for v in w.vents if v.is_fan and v.at_night)
    flow = max(passive.flow_m3_h, night_fan) + leak + (OPEN_M3_H if out_c + 2 >= ctx.night_c else 0.0)
    damp = [
        DampSurface.trusted(name=s.id, u_value_w_m2k=min(7.5, s.u_effective), rsi_m2k_w=0.13)
        for s in shell.surfaces
        if s.b_frac == 1 and s.u_effective * 0.13 <= 1
    ]
    night = _damp(ctx, night_in, out_c, max(0.1, flow), True, damp)
    day_flow = max(0.1, passive.flow_m3_h + leak + DOOR_M3_H)
    day = _damp(ctx, day_in, out_c, day_flow, False, [])
    co2 = vent_rate(
        VentRateIn.trusted(
            mode="given",
            volume_m3=volume,
            flow_m3_h=max(0.1, flow),
            people_count=int(ctx.people),
            person_co2_l_h=PERSON_L_H["asleep"],
            time_h=ASLEEP_H,
            co_co2_ratio_frac=0.0,
        )
    )
    said, flued = room_inputs(ctx)
    burning = said or 1000 * w.damp.hob_kw
    gas = _gas_vents(ctx, shell, burning, flued)
    cooking = (
        vent_rate(
            VentRateIn.trusted(
                mode="given",
                volume_m3=volume,
                flow_m3_h=day_flow + max((f.flow_m3_h for f in fans.values()), default=0.0),
                unflued_burner_w=burning,
                people_count=0,
            )
        )
        if burning
        else None
    )
    for name, made in (("passive", passive), ("night", night), ("day", day), ("asleep", co2), ("vents_for_gas", gas), ("cooking", cooking)):
        if made is not None:
            ctx.book.put_all(f"air/{name}", made.working)
    part = AirPart(
        outdoor_c=out_c,
        night_flow_m3_h=flow,
        day_flow_m3_h=day_flow,
        sources=[DampRowOut(what=s.name, g_h=s.mean_g_h) for s in damp_sources(ctx, asleep=False)],
        day_g_h=day.source_g_h,
        night_g_h=night.source_g_h,
        day_rh_frac=day.indoor_rh_frac,
        night_rh_frac=night.indoor_rh_frac,
        night_dew_c=night.dew_point_c,
        flow_for_60_m3_h=night.required_flow_m3_h,
        vent_heat_w=night.ventilation_heat_w,
        co2_ppm=co2.co2_ppm,
        co2_at_end_ppm=co2.co2_at_time_ppm or 0.0,
        co_ppm=cooking.co_ppm if cooking else None,
        surfaces={
            r.name: DampSurfacePart(
                surface_c=r.surface_temp_c, rh_frac=r.surface_rh_frac, wet=r.condenses, mould=r.mould_risk, dry_flow_m3_h=r.flow_to_stay_dry_m3_h
            )
            for r in night.surfaces
        },
        gas_high_mm2=gas.high_area_mm2 if gas else None,
        gas_low_mm2=gas.low_area_mm2 if gas else None,
        have_high_mm2=_areas([v for v in w.vents if not v.closable], "fixed_roof", "fixed_wall_high"),
        have_low_mm2=_areas([v for v in w.vents if not v.closable], "fixed_low"),
        gas_ok=gas.adequate if gas else None,
    )
    return Air(night, day, passive, co2, fans, gas, part)


LEAK_AREA_MM2 = 6000.0
"""What a closed shell lets in by its gaps where no vent is open (typical)."""


def vent_heat_flow(ctx: Context) -> float:
    """Air that goes through on purpose at the design temperature, m³/h: the fixed vents with the warmth inside."""
    low, high = _areas(ctx.design.warmth.vents, "fixed_low", night=True), _areas(ctx.design.warmth.vents, "fixed_roof", "fixed_wall_high", night=True)
    if low <= 0 or high <= 0:
        return 0.0
    return vent_rate(
        VentRateIn.trusted(
            mode="passive", volume_m3=1.0, low_area_mm2=low, high_area_mm2=high, stack_height_m=STACK_M, indoor_temp_c=ctx.indoor_c, outdoor_temp_c=ctx.cold_c
        )
    ).flow_m3_h


def figures(air: Air) -> dict[str, Figure]:
    """Figures with their working, by key."""
    out = {f"air/night/{k}": air.night.figure(k) for k in ("source_g_h", "flow_m3_h", "indoor_rh_frac", "dew_point_c", "ventilation_heat_w")}
    out |= {f"air/day/{k}": air.day.figure(k) for k in ("source_g_h", "flow_m3_h", "indoor_rh_frac")}
    if air.night.required_flow_m3_h is not None:
        out["air/night/required_flow_m3_h"] = air.night.figure("required_flow_m3_h")
    if air.co2.co2_ppm is not None:
        out["air/co2_ppm"] = air.co2.figure("co2_ppm")
    if air.gas is not None:
        out |= {f"air/gas/{k}_area_mm2": air.gas.figure(f"{k}_area_mm2").named(says("rooms-fixed-vents-at", k=k)) for k in ("high", "low")}
    for id, f in air.fans.items():
        out |= {f"vents/{id}/{k}": f.figure(k) for k in ("flow_m3_h", "inlet_pressure_pa", "fan_power_w") if getattr(f, k) is not None}
    return out
