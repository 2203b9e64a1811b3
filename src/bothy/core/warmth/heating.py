"""Heat of a design: what leaves, what one change is worth, how fast it warms, what the heaters burn through the year."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from pydantic import BaseModel

from bothy.core.catalogue.climates import MONTHS
from bothy.core.catalogue.materials import materials
from bothy.core.constants import PERSON_W
from bothy.core.context import Context
from bothy.core.design.warmth import Heater
from bothy.core.warmth.air import CP, PER_FLOW, RHO, density_ratio
from bothy.core.warmth.heat_loss import Content, HeatLossIn, HeatLossOut, LossSurface, WarmUpTimeIn, WarmUpTimeOut, heat_loss, warm_up_time
from bothy.core.warmth.heater import HeaterFuelIn, HeaterFuelOut, HeaterSizeIn, HeaterSizeOut, heater_fuel, heater_size
from bothy.core.warmth.surfaces import CAB_U, COVER_R, CURTAIN_U, GLASS, Shell, Surface
from bothy.core.words.says import warmth_says as says

MILD_C = 8.0
LINING_COUPLED, FURNITURE_COUPLED = 0.5, 0.3
FURNITURE_KG_M2, WOOD_J = 28.0, 1600.0
"""Typical mass of furniture for each m² of floor."""
BURNT = ("diesel", "petrol", "kerosene", "propane", "butane", "ethanol", "wood")
DAYS = (31, 28.25, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31)


class Saving(BaseModel):
    """What one change saves at the design temperature, in W; ``patch`` makes it where it is a definite one."""

    key: str
    what: str
    saves_w: float
    of: str


class MonthHeat(BaseModel):
    """One month: mean temperature outside, mean heat asked for, fuel in L (kg for wood and gas), electricity in Wh a day."""

    month: str
    planned: bool
    mean_c: float
    heat_w: float
    heat_kwh: float
    fuel_l: float | None
    fuel_kg: float | None
    electrical_wh_day: float


class WarmUp(BaseModel):
    """Warming up from the cold: with what warms along in the first hour, and with everything; °C over minutes."""

    power_w: float
    start_c: float
    first_min: float | None
    whole_min: float | None
    coast_h: float | None
    minutes: list[float]
    curve_c: list[float]


class HeaterPart(BaseModel):
    """One heater against the loss."""

    needed_w: float
    available_w: float
    adequate: bool
    holds_to_c: float
    cycles_above_c: float
    cycles_when_mild: bool
    mild_duty_frac: float
    fuel_l_day: float | None
    fuel_kg_day: float | None
    autonomy_days: float | None
    electrical_wh_day: float


@dataclass
class Heat:
    """Everything about heat that other parts need."""

    loss: HeatLossOut
    capacity_j_k: float
    first_j_k: float
    sizes: dict[str, HeaterSizeOut]
    fuels: dict[str, HeaterFuelOut]
    warm_up: WarmUpTimeOut | None


def loss_surfaces(shell: Shell) -> list[LossSurface]:
    """The shell's surfaces as the heat loss takes them."""
    return [
        LossSurface.trusted(name=s.id, area_m2=s.area_m2, u_value_w_m2k=s.u.value, extra_r_m2k_w=s.extra_r, b_frac=s.b_frac, zone=s.zone)
        for s in shell.surfaces
    ]


def loss_of(ctx: Context, shell: Shell, vent_m3_h: float, *, outdoor_c: float | None = None) -> HeatLossOut:
    """Heat loss at the design temperature."""
    inp = HeatLossIn.trusted(
        indoor_temp_c=ctx.indoor_c,
        outdoor_temp_c=ctx.cold_c if outdoor_c is None else outdoor_c,
        volume_m3=shell.areas.volume_m3,
        ach_per_h=ctx.leak_per_h,
        vent_flow_m3_h=vent_m3_h,
        altitude_m=max(-100.0, min(5000.0, ctx.climate.elevation_m)),
        margin_frac=ctx.design.warmth.margin_frac,
        internal_gains_w=0.0,
        surfaces=loss_surfaces(shell),
    )
    sources = {
        k: ctx.figure(f"/warmth/{v}").named(n)
        for k, v, n in (
            ("indoor_temp_c", "indoor_temp_c", says("indoors")),
            ("outdoor_temp_c", "design_cold_c", says("outdoors")),
            ("ach_per_h", "leak_per_h", says("air-changes")),
        )
    }
    return heat_loss(inp, sources if outdoor_c is None else None)


def capacity(shell: Shell, floor_m2: float) -> tuple[float, float]:
    """Heat stored per kelvin in J: what warms along in the first hour, and all of it. Linings and insulation of the build-ups, furniture, air."""
    lining = 0.0
    for s in shell.surfaces:
        if s.build is not None:
            for x in s.build.layers:
                m = materials().get(x.material or "")
                if m is not None and not m.insulates:
                    lining += s.area_m2 * m.density_kg_m3 * x.thickness_mm / 1000 * x.coverage_frac * m.specific_heat_j_kgk
    furniture = FURNITURE_KG_M2 * floor_m2 * WOOD_J
    air = RHO * CP * shell.areas.volume_m3
    return air + LINING_COUPLED * lining + FURNITURE_COUPLED * furniture, air + lining + furniture


def _cover_saving(ctx: Context, s: Surface, r: float) -> float:
    return (s.u.value - 1 / (1 / s.u.value + r)) * s.area_m2 * s.b_frac * (ctx.indoor_c - ctx.cold_c)


def savings(ctx: Context, shell: Shell, rework: Callable[[Surface, float], float]) -> list[Saving]:
    """What single changes are worth at the design temperature, the largest first."""
    dt = ctx.indoor_c - ctx.cold_c
    out: list[Saving] = []
    for s in shell.surfaces:
        if s.kind in GLASS and s.cover == "none" and s.b_frac == 1:
            out.append(
                Saving(
                    key=f"cover:{s.id}",
                    what=says("quilted-screen-inside", s_name=s.name) if s.kind != "rooflight" else says("foam-plug-in", s_name=s.name),
                    of=s.id,
                    saves_w=_cover_saving(ctx, s, COVER_R["plug" if s.kind == "rooflight" else "screen_inside"]),
                )
            )
    if shell.cab == "open":
        cab = [s for s in shell.surfaces if s.id in CAB_U]
        ua = sum(s.ua for s in cab)
        wall = ctx.inside_height_m * ctx.inside_width_m
        inner = wall * CURTAIN_U
        out.append(Saving(key="cab:curtain", what=says("quilted-curtain-before-cab"), of="cab", saves_w=(ua - ua * inner / (ua + inner)) * dt))
    groups: dict[str, list[Surface]] = {}
    for s in shell.surfaces:
        if s.build is not None:
            groups.setdefault(s.build.id, []).append(s)
    for id, of in groups.items():
        build = of[0].build
        assert build is not None
        saved = sum((s.u.value - rework(s, 20.0)) * s.area_m2 * s.b_frac for s in of) * dt
        if saved > 0:
            out.append(Saving(key=f"thicker:{id}", what=says("more-insulation-in", build_name=build.name), of=of[0].id, saves_w=saved))
        ribs = sum((s.u.value - _without_ribs(s)) * s.area_m2 * s.b_frac for s in of if s.worked is not None and s.worked.rib_share_frac > 0.2) * dt
        if ribs > 0:
            out.append(Saving(key=f"ribs:{id}", what=says("foam-over-ribs", build_name=build.name), of=of[0].id, saves_w=ribs))
    if ctx.leak_per_h > 0.5:
        out.append(
            Saving(
                key="leak",
                what=says("draughts-sealed-to-half"),
                of="air",
                saves_w=PER_FLOW * density_ratio(ctx.climate.elevation_m) * shell.areas.volume_m3 * (ctx.leak_per_h - 0.5) * dt,
            )
        )
    return sorted((x for x in out if x.saves_w >= 1), key=lambda x: -x.saves_w)


def _without_ribs(s: Surface) -> float:
    """U with 10 mm of polyethylene foam in front of the flanges, which rests on nothing else."""
    from bothy.core.design.warmth import WallLayer
    from bothy.core.warmth.surfaces import worked

    assert s.build is not None
    cover = WallLayer(id="rib-cover", material="pe_foam", thickness_mm=10.0, over_ribs=True)
    try:
        thicker = s.build.model_copy(update={"layers": [*s.build.layers, cover]})
        covered = worked(thicker, s.direction).u_rib_w_m2k
    except (ValueError, ZeroDivisionError):
        return s.u.value
    assert s.worked is not None
    if covered is None or s.worked.u_rib_w_m2k is None:
        return s.u.value
    return s.u.value - s.worked.rib_area_frac * (s.worked.u_rib_w_m2k - covered)


def thicker(s: Surface, mm: float) -> float:
    """U of a surface whose thickest insulation is ``mm`` thicker."""
    from bothy.core.warmth.surfaces import stuff, worked

    if s.build is None:
        return s.u.value
    best, most = -1, 0.0
    for i, x in enumerate(s.build.layers):
        m = stuff(x)
        if m is not None and m.insulates and x.thickness_mm > most:
            best, most = i, x.thickness_mm
    if best < 0:
        return s.u.value
    layers = list(s.build.layers)
    layers[best] = layers[best].model_copy(update={"thickness_mm": min(300.0, layers[best].thickness_mm + mm)})
    return worked(s.build.model_copy(update={"layers": layers}), s.direction).u_value_w_m2k


def size_of(ctx: Context, h: Heater, ua_w_k: float) -> HeaterSizeOut:
    """One heater against the loss."""
    return heater_size(
        HeaterSizeIn.trusted(
            ua_w_k=max(1e-6, ua_w_k),
            indoor_temp_c=ctx.indoor_c,
            design_outdoor_temp_c=ctx.cold_c,
            mild_outdoor_temp_c=MILD_C,
            margin_frac=ctx.design.warmth.margin_frac,
            heater_max_w=h.max_w,
            heater_min_w=h.min_w,
            altitude_m=max(-100.0, min(5000.0, ctx.climate.elevation_m)),
            combustion=h.fuel != "electric",
        )
    )


def fuel_of(ctx: Context, h: Heater, heat_w: float, hours: float = 24.0) -> HeaterFuelOut:
    """What a heater burns and draws at a mean demand."""
    return heater_fuel(
        HeaterFuelIn.trusted(
            fuel=h.fuel,
            heat_w=heat_w,
            efficiency_frac=h.efficiency_frac,
            heater_max_w=h.max_w,
            heater_min_w=h.min_w,
            hours_per_day=hours,
            tank_volume_l=h.tank_volume_l,
            tank_mass_kg=h.tank_mass_kg,
            tank_usable_frac=h.tank_usable_frac,
            run_power_min_w=h.run_min_w,
            run_power_max_w=h.run_max_w,
            start_energy_wh=h.start_energy_wh,
        )
    )


def gains_w(ctx: Context) -> float:
    """Heat that people and electronics give off in the mean of a day."""
    return ctx.people * PERSON_W * 0.6


def months(ctx: Context, ua_w_k: float) -> list[MonthHeat]:
    """Heat and fuel through the year at the place, with the first heater that burns."""
    heaters = ctx.design.warmth.heaters
    mean_in = (ctx.indoor_c * 16 + ctx.night_c * 8) / 24
    out = []
    for m in range(1, 13):
        mean = (ctx.climate.tmin_c[m - 1] + ctx.climate.tmax_c[m - 1]) / 2
        heat = max(0.0, ua_w_k * (mean_in - mean) - gains_w(ctx))
        f = fuel_of(ctx, heaters[0], heat) if heaters else None
        days = DAYS[m - 1]
        out.append(
            MonthHeat(
                month=MONTHS[m - 1],
                planned=m in ctx.months,
                mean_c=mean,
                heat_w=heat,
                heat_kwh=heat * 24 * days / 1000,
                fuel_l=f.fuel_l_day * days if f and f.fuel_l_day is not None else None,
                fuel_kg=f.fuel_kg_day * days if f and f.fuel_kg_day is not None else None,
                electrical_wh_day=f.electrical_wh_day if f else 0.0,
            )
        )
    return out


def work_heat(ctx: Context, shell: Shell, vent_m3_h: float) -> Heat:
    """Loss, capacity and heaters of a design."""
    loss = loss_of(ctx, shell, vent_m3_h)
    first, whole = capacity(shell, shell.areas.floor_area_m2)
    heaters = ctx.design.warmth.heaters
    sizes = {h.id: size_of(ctx, h, loss.ua_w_k) for h in heaters}
    fuels = {h.id: fuel_of(ctx, h, loss.heat_loss_w) for h in heaters}
    power = sum(s.available_w for s in sizes.values())
    warm = warm_up(ctx, loss.ua_w_k, power, first) if heaters else None
    return Heat(loss, whole, first, sizes, fuels, warm)


def warm_up(ctx: Context, ua_w_k: float, power_w: float, capacity_j_k: float) -> WarmUpTimeOut:
    """Warming up from the design cold with a capacity in J/K."""
    return warm_up_time(
        WarmUpTimeIn.trusted(
            ua_w_k=ua_w_k,
            power_w=power_w,
            start_temp_c=ctx.cold_c,
            target_temp_c=ctx.indoor_c,
            outdoor_temp_c=ctx.cold_c,
            low_temp_c=min(5.0, ctx.indoor_c - 1),
            volume_m3=0.0,
            contents=[Content.trusted(name=says("air-lining-and-furniture"), mass_kg=capacity_j_k / 1000, specific_heat_j_kgk=1000.0)],
        )
    )


CURVE_POINTS = 31


def warm_up_part(ctx: Context, heat: Heat) -> WarmUp | None:
    """The warm-up in both ways, and as a curve."""
    import math

    if heat.warm_up is None:
        return None
    power = sum(s.available_w for s in heat.sizes.values())
    whole = warm_up(ctx, heat.loss.ua_w_k, power, heat.capacity_j_k)
    first = heat.warm_up
    span = min(240.0, max(20.0, 1.5 * (first.time_min if first.time_min is not None else 120.0)))
    tau = first.time_constant_h * 60
    minutes = [span * i / (CURVE_POINTS - 1) for i in range(CURVE_POINTS)]
    curve = [min(ctx.indoor_c, first.final_temp_c - (first.final_temp_c - ctx.cold_c) * math.exp(-t / tau)) for t in minutes]
    return WarmUp(
        power_w=power, start_c=ctx.cold_c, first_min=first.time_min, whole_min=whole.time_min, coast_h=whole.coast_time_h, minutes=minutes, curve_c=curve
    )


def heater_part(size: HeaterSizeOut, fuel: HeaterFuelOut) -> HeaterPart:
    """A heater's row of the report."""
    return HeaterPart(
        needed_w=size.needed_w,
        available_w=size.available_w,
        adequate=size.adequate,
        holds_to_c=size.holds_down_to_temp_c,
        cycles_above_c=size.cycles_above_temp_c,
        cycles_when_mild=size.cycles_when_mild,
        mild_duty_frac=size.mild_duty_frac,
        fuel_l_day=fuel.fuel_l_day,
        fuel_kg_day=fuel.fuel_kg_day,
        autonomy_days=fuel.autonomy_days,
        electrical_wh_day=fuel.electrical_wh_day,
    )
