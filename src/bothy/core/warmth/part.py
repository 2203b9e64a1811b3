"""Warmth's part of the report: surfaces, heat, heaters, ducts, loop, air, summer, composed from the shell of the design."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.figure import derived
from bothy.core.method.sources import Method, Standard
from bothy.core.warmth.airing import Air, AirPart, figures, vent_heat_flow, work_air
from bothy.core.warmth.condensation import Plane
from bothy.core.warmth.heating import Heat, HeaterPart, MonthHeat, Saving, WarmUp, gains_w, heater_part, months, savings, thicker, warm_up_part, work_heat
from bothy.core.warmth.layout import DuctPart, Layout, LayoutPart, LoopPart, work_ducts, work_loop
from bothy.core.warmth.schools import SchoolView, schools
from bothy.core.warmth.summer import BayPart, CabinetPart, CoolPart, DryingPart, Summer, bays, cabinets, drying, winter_hours, work_summer
from bothy.core.warmth.surfaces import Shell, sheets, work_shell


class SurfacePart(BaseModel):
    """One surface: m², W/(m²K), W at the design cold, and what the damp does. ``winter_w`` is the coldest day's loss by the hour, ``summer_w`` the
    hot day's gain."""

    name: str
    kind: str
    side: str
    zone: str
    area_m2: float
    build_up: str | None
    assumed: bool
    u_w_m2k: float
    cover: str
    heat_w: float
    share_frac: float
    surface_c: float
    wet: bool
    mould: bool
    inside_g_m2_day: float
    winter_w: list[float]
    summer_w: list[float]


class BuildUpPart(BaseModel):
    """One build-up in one direction: U, ribs' share, thickness, mass and relative cost, where it is used and what to buy; planes of the damp."""

    name: str
    direction: str
    area_m2: float
    u_w_m2k: float
    u_clear_w_m2k: float
    rib_share_frac: float
    thickness_mm: float
    mass_kg: float
    cost: float
    sheet_count: int
    risk: str
    condensation_g_m2_day: float
    worst_plane: str | None
    air_leak_condenses: bool
    dew_c: float
    planes: list[Plane]
    schools: list[SchoolView]


class ZoneHeat(BaseModel):
    """A zone: what it loses at design, and what the ducts bring."""

    heat_w: float
    brought_w: float | None


class WarmthPart(BaseModel):
    """All of Warmth."""

    indoor_c: float
    night_c: float
    cold_c: float
    cab: str
    problem: str | None
    volume_m3: float
    floor_m2: float
    area_m2: float
    headroom_m: float
    ua_w_k: float
    heat_loss_w: float
    needed_w: float
    air_w: float
    largest: str
    surfaces: dict[str, SurfacePart]
    build_ups: dict[str, BuildUpPart]
    zones: dict[str, ZoneHeat]
    savings: list[Saving]
    warm_up: WarmUp | None
    heaters: dict[str, HeaterPart]
    months: list[MonthHeat]
    year_fuel_l: float | None
    ducts: dict[str, DuctPart]
    layout: LayoutPart | None
    loop: LoopPart | None
    air: AirPart
    cool: CoolPart
    cabinets: dict[str, CabinetPart]
    bays: dict[str, BayPart]
    drying: DryingPart | None
    winter_out_c: list[float]
    winter_need_w: list[float]


@dataclass
class Warm:
    """The sums behind the part, for the rules, the proposals and the trip."""

    shell: Shell
    heat: Heat
    layout: Layout | None
    air: Air
    summer: Summer
    part: WarmthPart


def _build_ups(ctx: Context, shell: Shell) -> dict[str, BuildUpPart]:
    out: dict[str, BuildUpPart] = {}
    for s in shell.surfaces:
        if s.build is None or s.worked is None or s.damp is None:
            continue
        key = f"{s.build.id}/{s.direction}"
        ctx.book.put_all(f"builds/{key}/u", s.worked.working)
        ctx.book.put_all(f"builds/{key}/damp", s.damp.working)
        area = s.area_m2 + (out[key].area_m2 if key in out else 0.0)
        out[key] = quick(
            BuildUpPart,
            name=s.build.name,
            direction=s.direction,
            area_m2=area,
            u_w_m2k=s.worked.u_value_w_m2k,
            u_clear_w_m2k=s.worked.u_clear_w_m2k,
            rib_share_frac=s.worked.rib_share_frac,
            thickness_mm=s.worked.thickness_mm,
            mass_kg=area * s.worked.mass_kg_m2,
            cost=area * s.worked.cost_per_m2,
            sheet_count=sheets(area),
            risk=s.damp.risk,
            condensation_g_m2_day=s.damp.condensation_g_m2_day,
            worst_plane=s.damp.worst_plane,
            air_leak_condenses=s.damp.air_leak_condenses,
            dew_c=s.damp.dew_point_c,
            planes=s.damp.planes,
            schools=out[key].schools if key in out else schools(ctx, s.build, s.direction),
        )
    return out


def _headroom(ctx: Context, shell: Shell) -> float:
    """Clear height: bare height less what floor and roof take, in m."""
    taken = {s.id: s.worked.thickness_mm - (s.build.skin_mm if s.build else 0.0) for s in shell.surfaces if s.worked is not None}
    return ctx.inside_height_m - (taken.get("floor", 0.0) + taken.get("roof", 0.0)) / 1000


def _surfaces(
    ctx: Context, shell: Shell, heat: Heat, air: Air, winter_w: Mapping[str, list[float]], summer_w: Mapping[str, list[float]]
) -> dict[str, SurfacePart]:
    """Each surface with its heat and damp; ``winter_w`` and ``summer_w`` by surface and hour, W. Its figures go into the book."""
    surfaces: dict[str, SurfacePart] = {}
    for s, r in zip(shell.surfaces, heat.loss.surfaces, strict=True):
        damp = air.part.surfaces.get(s.id)
        surfaces[s.id] = quick(
            SurfacePart,
            name=s.name,
            kind=s.kind,
            side=s.side,
            zone=s.zone,
            area_m2=s.area_m2,
            build_up=s.build.id if s.build else None,
            assumed=s.assumed,
            u_w_m2k=s.u.value,
            cover=s.cover,
            heat_w=r.heat_w,
            share_frac=r.share_frac,
            surface_c=damp.surface_c if damp else ctx.night_c,
            wet=damp.wet if damp else False,
            mould=damp.mould if damp else False,
            inside_g_m2_day=s.damp.condensation_g_m2_day if s.damp else 0.0,
            winter_w=winter_w[s.id],
            summer_w=summer_w[s.id],
        )
        ctx.book.put(f"surfaces/{s.id}/u_value_w_m2k", s.u)
        ctx.book.put(
            f"surfaces/{s.id}/heat_w",
            derived(
                "heat_w",
                "1/(1/U + R_extra)·A·b·(T_i − T_e)",
                r.heat_w,
                Method("warmth.heat-loss") + Standard("EN 12831-1"),
                u_value_w_m2k=s.u,
                extra_r_m2k_w=s.extra_r,
                area_m2=s.area_m2,
                b_frac=s.b_frac,
                indoor_temp_c=ctx.figure("/warmth/indoor_temp_c"),
                outdoor_temp_c=ctx.figure("/warmth/design_cold_c"),
            ),
        )
    return surfaces


def _brought(ctx: Context, layout: Layout | None) -> dict[str, float]:
    """Heat that the ducts bring into each zone, W."""
    brought: dict[str, float] = {}
    if layout is not None:
        for d in ctx.design.warmth.ducts:
            r2 = layout.runs.get(d.id)
            if r2 is not None and not r2.trunk:
                brought[d.zone] = brought.get(d.zone, 0.0) + r2.delivered_w
    return brought


def warmth_part(ctx: Context) -> Warm:
    """Work out all of Warmth and put its figures into the book."""
    shell = ctx.part("warmth/shell", work_shell)
    vent = vent_heat_flow(ctx)
    heat = ctx.part("warmth/heat", work_heat, shell, vent)
    loss = heat.loss
    zones = {z.zone: z.heat_w for z in loss.zones}
    available = sum(s.available_w for s in heat.sizes.values())
    layout = ctx.part("warmth/ducts", work_ducts, zones, loss.design_heat_w, available) if available > 0 else None
    air = ctx.part("warmth/air", work_air, shell)
    summer = ctx.part("warmth/summer", work_summer, shell, loss.ua_w_k, heat.capacity_j_k)
    out_c, by_surface, through = ctx.part("warmth/winter", winter_hours, shell, ctx.indoor_c)
    air_k = loss.ua_w_k - sum(s.ua for s in shell.surfaces)
    need = [max(0.0, w + air_k * (ctx.indoor_c - t) - gains_w(ctx)) for w, t in zip(through, out_c, strict=True)]
    surfaces = _surfaces(ctx, shell, heat, air, by_surface, summer.hour_heat)
    brought = _brought(ctx, layout)
    duct_w = (
        layout.runs[ctx.design.warmth.drying.duct].delivered_w if layout and ctx.design.warmth.drying and ctx.design.warmth.drying.duct in layout.runs else 0.0
    )
    by_month = ctx.part("warmth/months", months, loss.ua_w_k)
    liquid = [m.fuel_l for m in by_month if m.planned and m.fuel_l is not None]
    part = quick(
        WarmthPart,
        indoor_c=ctx.indoor_c,
        night_c=ctx.night_c,
        cold_c=ctx.cold_c,
        cab=shell.cab,
        problem=shell.problem,
        volume_m3=shell.areas.volume_m3,
        floor_m2=shell.areas.floor_area_m2,
        area_m2=shell.areas.total_area_m2,
        headroom_m=_headroom(ctx, shell),
        ua_w_k=loss.ua_w_k,
        heat_loss_w=loss.heat_loss_w,
        needed_w=loss.design_heat_w,
        air_w=loss.infiltration_w + loss.ventilation_w,
        largest=loss.largest_surface,
        surfaces=surfaces,
        build_ups=ctx.part("warmth/build-ups", _build_ups, shell),
        zones={z: ZoneHeat(heat_w=w, brought_w=brought.get(z) if layout else None) for z, w in zones.items()},
        savings=ctx.part("warmth/savings", savings, shell, thicker),
        warm_up=warm_up_part(ctx, heat),
        heaters={id: heater_part(heat.sizes[id], heat.fuels[id]) for id in heat.sizes},
        months=by_month,
        year_fuel_l=sum(liquid) if liquid else None,
        ducts=layout.runs if layout else {},
        layout=layout.part if layout else None,
        loop=ctx.part("warmth/loop", work_loop, _loop_source(ctx)),
        air=air.part,
        cool=summer.cool,
        cabinets=cabinets(ctx),
        bays=bays(ctx),
        drying=drying(ctx, duct_w, air.part.day_rh_frac),
        winter_out_c=out_c,
        winter_need_w=need,
    )
    _figures(ctx, heat, layout, air, summer)
    return Warm(shell, heat, layout, air, summer, part)


def _loop_source(ctx: Context) -> float:
    return sum(h.max_w for h in ctx.design.warmth.heaters if h.kind == "coolant")


def _figures(ctx: Context, heat: Heat, layout: Layout | None, air: Air, summer: Summer) -> None:
    put = ctx.book.put
    for key in ("transmission_w", "infiltration_w", "ventilation_w", "heat_loss_w", "ua_w_k", "design_heat_w"):
        put(f"warmth/{key}", heat.loss.figure(key))
    for id, size in heat.sizes.items():
        for key in ("needed_w", "available_w", "holds_down_to_temp_c", "cycles_above_temp_c", "mild_duty_frac"):
            put(f"heaters/{id}/{key}", size.figure(key))
        fuel = heat.fuels[id]
        for key in ("fuel_l_day", "fuel_kg_day", "autonomy_days", "electrical_wh_day"):
            if getattr(fuel, key) is not None:
                put(f"heaters/{id}/{key}", fuel.figure(key))
    if heat.warm_up is not None:
        put("warmth/time_constant_h", heat.warm_up.figure("time_constant_h"))
        if heat.warm_up.time_min is not None:
            put("warmth/warm_up_min", heat.warm_up.figure("time_min"))
    if layout is not None:
        for key in ("total_flow_m3_h", "plenum_pressure_pa", "mean_supply_temp_c", "delivered_w"):
            put(f"ducts/{key}", layout.network.figure(key))
    for key, f in figures(air).items():
        put(key, f)
    for key in ("opaque_w", "glass_solar_w", "sensible_w", "latent_w", "total_w", "needed_w"):
        put(f"cool/{key}", summer.load.figure(key))
    if summer.load.free_running_temp_c is not None:
        settles = summer.load.figure("free_running_temp_c")
        put("cool/free_running_temp_c", settles)
        slowed = "max T(h); T(h) = T_settles(h)·(1 − e^(−1/τ)) + T(h−1)·e^(−1/τ)"
        put("cool/hottest_inside_c", derived("hottest_inside_c", slowed, max(summer.cool.free_c), Method("warmth.cooling"), free_running_temp_c=settles))
    if summer.ac is not None:
        for key in ("hose_penalty_w", "net_capacity_w", "run_power_w", "run_current_a", "battery_draw_w", "start_power_w"):
            put(f"cool/{key}", summer.ac.figure(key))
        if summer.ac.time_h is not None:
            put("cool/time_h", summer.ac.figure("time_h"))
