"""Water in the report, composed: stores, pressure side, hot water and frost, filters, care and tests (the method of water)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.water import Water
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.restraint import ACCELERATIONS
from bothy.core.water.autonomy import Store, WaterAutonomyIn, WaterAutonomyOut, water_autonomy
from bothy.core.water.care import FilterIn, FilterLife, FilterLifeIn, FilterLifeOut, SanitiseDoseIn, SanitiseDoseOut, filter_life, sanitise_dose
from bothy.core.water.demand import STYLES, WaterDemandOut
from bothy.core.water.heat_and_frost import FrostPart, HotPart, pipe_litres, work_frost, work_hot
from bothy.core.water.hold_test import PressureHoldTestIn, PressureHoldTestOut, pressure_hold_test
from bothy.core.water.pressure import PumpPart, TapPart, work_pump, work_taps
from bothy.core.water.stores import JoinPart, TankPart, demand_of, work_joins, work_stores, work_tank
from bothy.core.water.tank import Shape, TankVolumeOut
from bothy.core.words.says import water_says as says

TEST_FACTOR, USUAL_CUT_OUT_KPA = 1.5, 220.0


class TestPart(BaseModel):
    """A pressure-hold test judged."""

    id: str
    name: str
    on: str
    who: str
    verdict: str
    reasons: list[str]
    corrected_drop_kpa: float
    allowed_drop_kpa: float
    leak_ml_h: float | None


class SanitisePart(BaseModel):
    """The dose for the whole system, its time and rinses."""

    system_l: float
    dose: float
    unit: str
    contact_min: float
    rinses: int
    rinse_l: float


class WaterPart(BaseModel):
    """All of water. ``run_l``: water in each run; ``hold_start_kpa``: pressure to begin a hold test of the pipes at."""

    use_l_day: dict[str, float]
    total_l_day: float
    fresh_l_day: float
    grey_l_day: float
    target_days: float
    stores: list[Store]
    capacity_l: dict[str, float]
    flow_l_day: dict[str, float]
    limiting: str | None
    days: float | None
    tanks: dict[str, TankPart]
    joins: dict[str, JoinPart]
    taps: dict[str, TapPart]
    velocities: dict[str, float]
    pump: PumpPart | None
    hot: HotPart | None
    filters: dict[str, FilterLife]
    filter_kpa: float
    frost: list[FrostPart]
    sanitise: SanitisePart | None
    tests: list[TestPart]
    pipe_l: float
    run_l: dict[str, float]
    hold_start_kpa: float
    drain_down_l: float
    mass_full_kg: float
    coldest_c: float


@dataclass
class Wet:
    """The sums behind the part, for the rules and the trip."""

    part: WaterPart
    demand: WaterDemandOut
    autonomy: WaterAutonomyOut | None
    tanks: dict[str, tuple[Shape, TankVolumeOut]]
    said_pump_wh: float | None = None
    loop_l_min: float | None = None


def _sanitise(ctx: Context, w: Water, system_l: float) -> SanitisePart | None:
    if system_l <= 0:
        return None
    c = w.care
    ct = c.ct_mg_min_l or (12000.0 if ctx.design.region == "us" and c.target_mg_l < 100 else 6000.0 if ctx.design.region == "us" else 3000.0)
    s: SanitiseDoseOut = sanitise_dose(
        SanitiseDoseIn.trusted(
            system_volume_l=system_l,
            target_mg_l=c.target_mg_l,
            product_type=c.product,
            strength_frac=c.strength_frac,
            tablet_mg=c.tablet_mg,
            strength_remaining_frac=c.remaining_frac,
            ct_mg_min_l=ct,
        )
    )
    key, unit = {"liquid": ("dose_ml", "mL"), "solid": ("dose_g", "g"), "tablet": ("tablet_count", "tablets")}[c.product]
    ctx.book.put("water/dose", s.figure(key).named(says("the-dose")))
    ctx.book.put("water/contact_time_min", s.figure("contact_time_min").named(says("contact-time")))
    return quick(
        SanitisePart, system_l=system_l, dose=float(getattr(s, key)), unit=unit, contact_min=s.contact_time_min, rinses=s.rinse_count, rinse_l=s.rinse_water_l
    )


def hold_start_kpa(w: Water) -> float:
    """One and a half times the pressure at which the pump stops; 220 kPa where it isn't said."""
    return round(TEST_FACTOR * (w.pump.cut_out_kpa if w.pump and w.pump.cut_out_kpa is not None else USUAL_CUT_OUT_KPA))


def _tests(ctx: Context) -> list[TestPart]:
    out = []
    for t in ctx.facts.water_tests:
        r: PressureHoldTestOut = pressure_hold_test(PressureHoldTestIn.trusted(**t.model_dump(exclude={"id", "name", "on", "who"})))
        ctx.book.put_all(f"holds/{t.id}", r.working)
        out.append(
            quick(
                TestPart,
                id=t.id,
                name=t.name,
                on=t.on,
                who=t.who,
                verdict=r.verdict,
                reasons=r.reasons,
                corrected_drop_kpa=r.corrected_drop_kpa,
                allowed_drop_kpa=r.allowed_drop_kpa,
                leak_ml_h=r.leak_ml_h,
            )
        )
    return out


def _put_pipes(ctx: Context, taps: Mapping[str, TapPart], velocities: Mapping[str, float]) -> None:
    """Speeds in the runs, and what each tap gives."""
    w = ctx.design.water
    for id, v in velocities.items():
        bore = next(r.inner_diameter_mm for r in w.runs if r.id == id)
        ctx.book.put(
            f"runs/{id}/velocity_m_s",
            derived("velocity_m_s", "4·Q/(π·D²), the fastest with one or two taps open", v, Method("water.pipe-loss"), inner_diameter_mm=bore),
        )
    for id, tap in taps.items():
        ctx.book.put(
            f"runs/{id}/alone_l_min",
            derived("alone_l_min", says("pumps-curve-against-pipes"), tap.alone_l_min, Method("water.taps"), wanted_l_min=tap.wanted_l_min),
        )
        ctx.book.put(
            f"runs/{id}/shared_l_min",
            derived("shared_l_min", says("least-with-another-tap"), tap.shared_l_min, Method("water.taps"), wanted_l_min=tap.wanted_l_min),
        )


def _put_stores(ctx: Context, tanks: Mapping[str, TankPart], joins: Mapping[str, JoinPart]) -> None:
    """What moves in the tanks, how they are vented, and what tanks that are joined hold."""
    for id, tank in tanks.items():
        if tank.slosh_hz > 0:
            ctx.book.put(
                f"tanks/{id}/slosh_hz",
                derived("slosh_per_s", "1/(2π)·√(π·g/l·tanh(π·h/l)), half full", tank.slosh_hz, Method("water.tank"), undivided_m=tank.undivided_m),
            )
        if tank.vent_pa is not None:
            ctx.book.put(f"tanks/{id}/vent_pa", derived("vent_pa", "(1.5 + 0.03·L/D)·0.6·v² while it fills", tank.vent_pa, Method("water.waste")))
    for id, j in joins.items():
        ctx.book.put(f"joins/{id}/total_l", derived("total_l", "Σ of the tanks", j.total_l, Method("water.crossover")))
        ctx.book.put(
            f"joins/{id}/unusable_l",
            derived("unusable_l", says("what-stays-below-outlet"), j.unusable_l, Method("water.crossover"), total_l=j.total_l, usable_l=j.usable_l),
        )
        ctx.book.put(
            f"joins/{id}/draw_difference_m",
            derived("draw_difference_m", "loss of the pipe at the pump’s draw/(ρ·g)", j.draw_difference_m, Method("water.crossover")),
        )


def _filters(ctx: Context, flow_l_day: float, flow_l_min: float) -> FilterLifeOut | None:
    """How long the filters last."""
    filters = ctx.design.water.filters
    if not filters:
        return None
    return filter_life(
        FilterLifeIn.trusted(
            flow_l_day=flow_l_day,
            flow_l_min=flow_l_min,
            filters=[
                FilterIn.trusted(name=f.id, rated_l=f.rated_l, rated_months=f.rated_months, rated_flow_l_min=f.rated_flow_l_min, clean_kpa=f.clean_kpa)
                for f in filters
            ],
        )
    )


def water_part(ctx: Context, said_wh: Mapping[str, float] | None = None, loop_l_min: float | None = None) -> Wet:
    """Water of a design, with its figures in the book; ``said_wh``: what each appliance of Life uses in a day, Wh; ``loop_l_min``: what the plate
    exchanger of Warmth's loop gives at 38 °C."""
    w = ctx.design.water
    d = demand_of(ctx)
    put = ctx.book.put
    for key, label in (("total_l_day", says("water")), ("fresh_tank_l_day", says("from-fresh-tank")), ("grey_l_day", says("grey-water"))):
        put(f"water/{key}", d.figure(key).named(label))
    for use, value in d.use_l_day.items():
        if value > 0:
            put(f"water/use/{use}", d.figure(f"use_l_day/{use}"))
    g = ACCELERATIONS[w.restraint_school]
    tanks: dict[str, TankPart] = {}
    shapes: dict[str, tuple[Shape, TankVolumeOut]] = {}
    for t in w.tanks:
        tanks[t.id], known = work_tank(t, g)
        if known is not None:
            shapes[t.id] = known
            for key in ("full_l", "usable_l", "dead_l", "mass_full_kg"):
                put(f"tanks/{t.id}/{key}", known[1].figure(key))
    taps, velocities, alone = work_taps(w)
    joins = work_joins(w, tanks, shapes, max((s.total_l_min for s in alone.values()), default=8.0))
    _put_pipes(ctx, taps, velocities)
    _put_stores(ctx, tanks, joins)
    stores = work_stores(w, d, tanks, joins)
    target = w.use.target_days if w.use.target_days is not None else max(1.0, float(ctx.nights))
    auto: WaterAutonomyOut | None = None
    if stores and w.begun:
        sources: dict[str, Figure] = {"fresh_flow_l_day": d.figure("fresh_tank_l_day"), "grey_flow_l_day": d.figure("grey_l_day")}
        auto = water_autonomy(WaterAutonomyIn.trusted(target_days=target, stores=stores), sources)
        if auto.autonomy_days is not None:
            put("water/autonomy_days", auto.figure("autonomy_days").named(says("water-2")))
    run_l = {r.id: pipe_litres(r) for r in w.runs}
    pipe_l = sum(run_l.values())
    fresh_l = sum(tanks[t.id].full_l for t in w.tanks if t.holds in ("fresh", "drinking"))
    heater_l = w.hot.volume_l if w.hot and w.hot.kind == "storage" else 0.0
    life = _filters(ctx, d.fresh_tank_l_day, max((s.total_l_min for s in alone.values()), default=8.0))
    at_most = next((taps[r.id].alone_l_min for r in w.runs if r.outlet == "shower" and r.id in taps), None) or 99.0
    shower = min(at_most, w.use.shower_flow_l_min or STYLES[w.use.style].shower_flow_l_min)
    part = quick(
        WaterPart,
        use_l_day=d.use_l_day,
        total_l_day=d.total_l_day,
        fresh_l_day=d.fresh_tank_l_day,
        grey_l_day=d.grey_l_day,
        target_days=target,
        stores=auto.stores if auto else [],
        capacity_l={s.name: s.capacity_l for s in stores},
        flow_l_day={s.name: s.flow_l_day for s in stores},
        limiting=auto.limiting if auto else None,
        days=auto.autonomy_days if auto else None,
        tanks=tanks,
        joins=joins,
        taps=taps,
        velocities=velocities,
        pump=work_pump(ctx, w, w.pump, alone, d.fresh_tank_l_day) if w.pump else None,
        hot=work_hot(ctx, w.hot, shower, loop_l_min) if w.hot else None,
        filters={f.name: f for f in life.filters} if life else {},
        filter_kpa=life.total_drop_kpa if life else 0.0,
        frost=work_frost(ctx, w, tanks),
        sanitise=_sanitise(ctx, w, fresh_l + pipe_l + heater_l) if fresh_l > 0 else None,
        tests=_tests(ctx),
        pipe_l=pipe_l,
        run_l=run_l,
        hold_start_kpa=hold_start_kpa(w),
        drain_down_l=fresh_l + pipe_l + heater_l,
        mass_full_kg=sum(t.mass_full_kg for t in tanks.values()),
        coldest_c=ctx.coldest_night().value,
    )
    line = w.pump.appliance if w.pump else None
    return Wet(part, d, auto, shapes, said_wh.get(line) if said_wh and line else None, loop_l_min)
