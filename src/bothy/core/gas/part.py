"""Gas in the report: use, vessels in the cold, pipes, locker, route, cooking without it, tests and papers (the method of gas)."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from pydantic import BaseModel

from bothy.core.constants import G
from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.gas import Gas, Vessel
from bothy.core.facts.kinds import GasCheck, GasTest
from bothy.core.figure import derived
from bothy.core.gas.boil_off import VaporisationLimitOut
from bothy.core.gas.cooking import CookingEnergyCompareIn, CookingEnergyCompareOut, MethodOut, cooking_energy_compare
from bothy.core.gas.countries import COUNTRIES, LAWS, USUAL, Country, Law
from bothy.core.gas.leak_test import GasLeakTestIn, gas_leak_test
from bothy.core.gas.locker import LockerVentAreaIn, LockerVentAreaOut, RuleSet, locker_vent_area
from bothy.core.gas.mixture import ATM_MBAR, VapourPressureOut
from bothy.core.gas.pipe import LIMITS, GasPipeSizeOut
from bothy.core.gas.pipework import REGULATOR_Y, REGULATORS_KG_H, PipesPart, hose_life_years, marks, nominal_mbar, regulator_size_kg_h, same_mark, work_pipes
from bothy.core.gas.supply import (
    BoilPart,
    BurnPart,
    ColdRow,
    VesselPart,
    capacity_kg,
    coldest,
    cooking_kg_day,
    mixture,
    work_boil,
    work_cold,
    work_use,
    work_vessels,
)
from bothy.core.gas.use import GasAutonomyOut, GasConsumptionOut
from bothy.core.method.sources import Method
from bothy.core.places import legs_of, places_of
from bothy.core.power.uses import inverter_use
from bothy.core.restraint import ACCELERATIONS
from bothy.core.warmth.airing import AirPart
from bothy.core.words.says import gas_says as says

FLAME_S, OVEN_S = 60.0, 90.0
LOCK_UP, LOCK_UP_MORE = 1.25, 5.0
NEVER_BELOW = 25.0 / 30.0
LEAST_KG, A_WEEK = 0.001, 7.0


class LockerPart(BaseModel):
    """The locker's vents in mm² of free area, low and high, and the round drain that would do."""

    rule_set: str
    need_low_mm2: float
    need_high_mm2: float
    have_low_mm2: float
    have_high_mm2: float
    round_drain_mm: float
    ok: bool
    gas_kg: float


class RoomPart(BaseModel):
    """Fixed vents of the room for what burns in it, mm² of free area."""

    need_high_mm2: float
    need_low_mm2: float
    have_high_mm2: float
    have_low_mm2: float
    ok: bool


class CountryPart(BaseModel):
    """A country on the trip: its days and the gas they need, whether a vessel's outlet is met there, whether one may be filled at a pump, what to know."""

    code: str
    name: str
    days: int
    need_kg: float
    fits: bool
    exchange: bool
    pump: bool
    outlets: list[str]
    fillers: list[str]
    note: str


class GasTestPart(BaseModel):
    """A leak test judged; ``changed`` are the parts that were changed, added or taken out since."""

    id: str
    name: str
    on: str
    who: str
    signed: bool
    verdict: str
    reasons: list[str]
    corrected_drop_mbar: float
    limit_mbar: float
    leak_std_l_h: float
    leak_working_g_h: float
    volume_l: float
    to_quarter_lel_h: float | None
    changed: list[str]


class GasCheckPart(BaseModel):
    """A reading at working pressure judged against its limit."""

    id: str
    ok: bool
    limit: float
    unit: str


class GasPart(BaseModel):
    """All of gas. ``working_min_mbar`` and ``lock_up_max_mbar``: what the far appliance keeps with everything burning, and what may stand with all off;
    ``regulator_size_kg_h``: the smallest sold that suffices; ``life_years``: after how long the regulator and each hose by id are replaced."""

    aboard: bool
    law: Law
    nominal_mbar: float
    limit_mbar: float
    test_mbar: float
    working_min_mbar: float
    lock_up_max_mbar: float
    burns: dict[str, BurnPart]
    total_kg_day: float
    peak_kg_h: float
    regulator_min_kg_h: float
    regulator_size_kg_h: float
    life_years: dict[str, float]
    coldest_c: float
    gauge_mbar: float
    usable_frac: float
    min_temp_c: float
    cold: list[ColdRow]
    vessels: dict[str, VesselPart]
    usable_kg: float
    after_reserve_kg: float
    days: float | None
    target_days: float
    full_mass_kg: float
    cost_day: float | None
    trip_kg: float | None
    refills: int | None
    boil: list[BoilPart]
    pipes: PipesPart | None
    locker: LockerPart | None
    room: RoomPart | None
    solenoid_wh_day: float | None
    countries: list[CountryPart]
    useful_wh: float
    cooking: list[MethodOut]
    tests: list[GasTestPart]
    checks: dict[str, GasCheckPart]
    marks: dict[str, str]
    on_panel: bool


@dataclass
class Gassed:
    """The sums behind the part, for the rules and the trip."""

    part: GasPart
    use: GasConsumptionOut | None
    autonomy: GasAutonomyOut | None
    cold: VapourPressureOut
    pipes: GasPipeSizeOut | None
    locker: LockerVentAreaOut | None
    boils: dict[str, VaporisationLimitOut]


def law_of(ctx: Context) -> Law:
    """Who may do the work: the region's rule, or a boat's."""
    return LAWS["boat" if ctx.design.vehicle.preset == "boat" else ctx.region.key]


def rule_set_of(ctx: Context) -> RuleSet | None:
    """Rule of the locker's vents: as chosen, a boat's drain, or the region's (None)."""
    locker = ctx.design.gas.locker
    return locker.rule_set if locker and locker.rule_set else "boat_drain" if ctx.design.vehicle.preset == "boat" else None


def _vessels(ctx: Context, g: Gas, autonomy: GasAutonomyOut | None, boils: Mapping[str, VaporisationLimitOut]) -> dict[str, VesselPart]:
    mix, most = mixture(g), max(ACCELERATIONS[g.restraint_school])
    out = {}
    for v, a in zip(g.vessels, autonomy.vessels if autonomy else [], strict=True):
        full = (capacity_kg(v, mix) + v.tare_kg) * v.count
        out[v.id] = quick(
            VesselPart,
            name=v.name,
            capacity_kg=a.capacity_kg,
            usable_kg=a.usable_kg,
            full_mass_kg=full,
            continuous_kg_h=boils[v.id].continuous_kg_h,
            burst_kg_h=boils[v.id].burst_kg_h,
            need_n=full / v.count * G * most,
        )
    return out


def _locker(ctx: Context, g: Gas) -> tuple[LockerPart | None, LockerVentAreaOut | None]:
    at = g.locker
    if at is None:
        return None, None
    mix = mixture(g)
    kg = sum(capacity_kg(v, mix) * v.count for v in g.vessels if v.place == "locker")
    vents = [v for v in at.vents if not v.closable and not v.blocked_by]
    out = locker_vent_area(
        LockerVentAreaIn.trusted(
            floor_length_m=at.length_m,
            floor_width_m=at.width_m,
            region=ctx.region.key,
            rule_set=rule_set_of(ctx),
            gas_capacity_kg=min(200.0, max(LEAST_KG, kg)),
            vents=vents,
        )
    )
    return quick(
        LockerPart,
        rule_set=out.rule_set,
        need_low_mm2=out.required_low_mm2,
        need_high_mm2=out.required_high_mm2,
        have_low_mm2=out.provided_low_mm2,
        have_high_mm2=out.provided_high_mm2,
        round_drain_mm=out.round_drain_diameter_mm,
        ok=out.ok,
        gas_kg=kg,
    ), out


def _fits(v: Vessel, land: Country, region_outlet: str) -> bool:
    return v.kind == "cylinder" and (v.outlet or region_outlet) in land.outlets


def _countries(ctx: Context, kg_day: float) -> list[CountryPart]:
    """The countries of the trip in their order."""
    g, places = ctx.design.gas, places_of(ctx.design)
    usual_outlet, usual_filler = USUAL[ctx.region.key]
    home = {"uk": ("GB",), "eu": (), "us": ("US", "CA"), "au": ("AU", "NZ")}[ctx.region.key]
    days: dict[str, int] = {}
    for leg in legs_of(ctx.design):
        if leg.place in places:
            code = places[leg.place].country
            days[code] = days.get(code, 0) + leg.days_count
    out = []
    for code, count in days.items():
        land = COUNTRIES.get(code)
        known = land or Country(code, (), (), says("not-in-table-ask"))
        outlet = any(_fits(v, known, usual_outlet) for v in g.vessels)
        pump = any(v.stop_80 and (v.filler or usual_filler) in known.fillers for v in g.vessels)
        exchange = outlet and (not home or code in home) and any(v.supply == "exchange" for v in g.vessels)
        out.append(
            quick(
                CountryPart,
                code=code,
                name=known.name,
                days=count,
                need_kg=count * kg_day,
                fits=outlet,
                exchange=exchange,
                pump=pump,
                outlets=list(known.outlets),
                fillers=list(known.fillers),
                note=known.note,
            )
        )
    return out


def _test(ctx: Context, t: GasTest, litres: float, now: Mapping[str, str]) -> GasTestPart:
    g = ctx.design.gas
    more = {k: v for k, v in (("baro_start_mbar", t.baro_start_mbar), ("baro_end_mbar", t.baro_end_mbar)) if v is not None}
    if "baro_end_mbar" in more and "baro_start_mbar" not in more:
        more["baro_start_mbar"] = ATM_MBAR
    volume = litres + t.extra_volume_l
    room = max(0.1, min(200.0, ctx.inside_length_m * ctx.inside_width_m * ctx.inside_height_m))
    r = gas_leak_test(
        GasLeakTestIn.trusted(
            gas=g.gas,
            region=ctx.region.key,
            test_gas=t.test_gas,
            start_mbar=t.start_mbar,
            end_mbar=t.end_mbar,
            duration_min=t.duration_min,
            stabilise_min=t.stabilise_min,
            start_temp_c=t.start_temp_c,
            end_temp_c=t.end_temp_c,
            gauge_resolution_mbar=t.gauge_resolution_mbar,
            working_mbar=nominal_mbar(ctx),
            room_volume_m3=room,
            volume_l=volume,
            **more,
        )
    )
    ctx.book.put_all(f"leaks/{t.id}", r.working)
    changed = [k for k in dict.fromkeys([*now, *t.system]) if not same_mark(t.system.get(k), now.get(k))]
    return quick(
        GasTestPart,
        id=t.id,
        name=t.name,
        on=t.on,
        who=t.who,
        signed=t.signed,
        verdict=r.verdict,
        reasons=r.reasons,
        corrected_drop_mbar=r.corrected_drop_mbar,
        limit_mbar=r.limit_mbar,
        leak_std_l_h=r.leak_std_l_h,
        leak_working_g_h=r.leak_working_g_h,
        volume_l=volume,
        to_quarter_lel_h=r.time_to_quarter_lel_h,
        changed=changed,
    )


def working_min_mbar(ctx: Context) -> float:
    """What must stand at the far appliance with everything burning."""
    nominal = nominal_mbar(ctx)
    return max(nominal - LIMITS[ctx.region.key].drop, NEVER_BELOW * nominal)


def lock_up_max_mbar(ctx: Context) -> float:
    """What may stand in the pipes with all appliances off."""
    return LOCK_UP * nominal_mbar(ctx) + LOCK_UP_MORE


def _check(ctx: Context, c: GasCheck) -> GasCheckPart:
    if c.kind == "working":
        least = working_min_mbar(ctx)
        return quick(GasCheckPart, id=c.id, ok=least <= c.value <= LOCK_UP * nominal_mbar(ctx), limit=least, unit="mbar")
    if c.kind == "lock_up":
        most = lock_up_max_mbar(ctx)
        return quick(GasCheckPart, id=c.id, ok=c.value <= most, limit=most, unit="mbar")
    oven = any(a.id == c.appliance and a.kind == "oven" for a in ctx.design.gas.appliances)
    most = OVEN_S if oven else FLAME_S
    return quick(GasCheckPart, id=c.id, ok=c.value <= most, limit=most, unit="s")


def _cooking(ctx: Context) -> CookingEnergyCompareOut:
    g, use = ctx.design.gas, inverter_use(ctx)
    m = g.meal
    return cooking_energy_compare(
        CookingEnergyCompareIn.trusted(
            gas=g.gas,
            boil_l=m.boil_l,
            simmer_min=m.simmer_min,
            simmer_w=m.simmer_w,
            meals_day=m.meals_day,
            inverter_efficiency_frac=use.efficiency_frac,
            inverter_idle_w=use.idle_w,
            battery_voltage_v=ctx.bank_v,
        )
    )


def _on_panel(ctx: Context) -> bool:
    """Whether a switch of the panel works the circuit that feeds the solenoid."""
    s, w = ctx.design.gas.solenoid, ctx.design.wiring
    if s is None or s.appliance is None or w.panel is None:
        return False
    fed = {c.id for c in w.circuits if s.appliance in c.appliances}
    return any(t.circuit in fed and t.kind in ("rocker", "round_rocker", "push") for t in w.panel.things)


def _figures(ctx: Context, w: Gassed) -> None:
    put, p = ctx.book.put, w.part
    if w.use is not None:
        for key, label in (("total_kg_day", says("gas")), ("peak_kg_h", says("everything-on")), ("regulator_min_kg_h", says("regulator-at-least"))):
            put(f"gas/{key}", w.use.figure(key).named(label))
    put("gas/coldest_c", coldest(ctx))
    for key, label in (
        ("vapour_pressure_gauge_mbar", says("pressure-in-cold")),
        ("usable_mass_frac", says("comes-out-in-cold")),
        ("min_temp_c", says("comes-out-down-to")),
    ):
        put(f"gas/{key}", w.cold.figure(key).named(label))
    if w.autonomy is not None:
        for key, label in (
            ("usable_kg", says("gas-that-can-be")),
            ("after_reserve_kg", says("less-reserve")),
            ("autonomy_days", says("gas-2")),
            ("full_mass_kg", says("vessels-full")),
            ("cost_per_day", says("cost")),
            ("trip_kg", says("gas-for-trip")),
        ):
            if getattr(w.autonomy, key) is not None:
                put(f"gas/{key}", w.autonomy.figure(key).named(label))
    for id, b in w.boils.items():
        put(f"vessels/{id}/continuous_kg_h", b.figure("continuous_kg_h").named(says("gives-for-long")))
        put(f"vessels/{id}/burst_kg_h", b.figure("burst_kg_h").named(says("gives-for-hour")))
    if w.pipes is not None:
        put("gas/worst_mbar", w.pipes.figure("worst_mbar").named(says("lost-to-worst-end")))
        for id, run in p.pipes.runs.items() if p.pipes else ():
            here = Method("gas.pipe-drop")
            put(
                f"pipes/{id}/lost_mbar",
                derived(
                    "lost_mbar",
                    "Σ of the losses from the regulator",
                    run.lost_mbar,
                    here,
                    drop_mbar=run.drop_mbar,
                    flow_kg_h=run.flow_kg_h,
                    inner_diameter_mm=run.inner_diameter_mm,
                ),
            )
            put(
                f"pipes/{id}/reynolds",
                derived("reynolds_count", "ρ·v·D/μ", run.reynolds, here, flow_kg_h=run.flow_kg_h, inner_diameter_mm=run.inner_diameter_mm),
            )
        if w.pipes.inner_diameter_mm is not None:
            put("gas/pipe_mm", w.pipes.figure("inner_diameter_mm").named(says("size-pipes")))
    if w.locker is not None:
        put("gas/locker_low_mm2", w.locker.figure("required_low_mm2").named(says("lockers-low-vents-at")))
        if w.locker.required_high_mm2 > 0:
            put("gas/locker_high_mm2", w.locker.figure("required_high_mm2").named(says("lockers-high-vents-at")))
    if p.solenoid_wh_day is not None and ctx.design.gas.solenoid is not None:
        s = ctx.design.gas.solenoid
        put(
            "gas/solenoid_wh",
            derived("energy_wh", "W·h", p.solenoid_wh_day, Method("gas.consumption"), hold_w=s.hold_w, open_h_day=s.open_h_day).named(says("solenoid-2")),
        )


def gas_part(ctx: Context, months_kg: Mapping[str, float] | None = None, air: AirPart | None = None) -> Gassed:
    """Gas of a design, with its figures in the book. ``months_kg``: what the first heater burns of gas in kg a day by planned month; ``air``: the
    room's vents."""
    g = ctx.design.gas
    limits = LIMITS[ctx.region.key]
    burns, use = work_use(ctx, months_kg or {})
    needed_kg_h = use.regulator_min_kg_h if use else 0.0
    cold, rows = work_cold(ctx)
    kg_day = use.total_kg_day if use else 0.0
    legs = legs_of(ctx.design)
    trip_days = float(sum(x.days_count for x in legs)) if legs else None
    autonomy = work_vessels(ctx, kg_day, cold.usable_mass_frac, trip_days)
    boils, enough = work_boil(ctx, use, burns)
    pipes, solved = work_pipes(ctx, burns)
    locker, vents = _locker(ctx, g)
    room = None
    if g.appliances and air is not None and air.gas_high_mm2 is not None and air.gas_low_mm2 is not None:
        room = quick(
            RoomPart,
            need_high_mm2=air.gas_high_mm2,
            need_low_mm2=air.gas_low_mm2,
            have_high_mm2=air.have_high_mm2,
            have_low_mm2=air.have_low_mm2,
            ok=bool(air.gas_ok),
        )
    cooking = _cooking(ctx)
    now = marks(g)
    part = quick(
        GasPart,
        aboard=g.aboard,
        law=law_of(ctx),
        nominal_mbar=nominal_mbar(ctx),
        limit_mbar=limits.drop,
        test_mbar=limits.test,
        working_min_mbar=working_min_mbar(ctx),
        lock_up_max_mbar=lock_up_max_mbar(ctx),
        burns=burns,
        total_kg_day=kg_day,
        peak_kg_h=use.peak_kg_h if use else 0.0,
        regulator_min_kg_h=needed_kg_h,
        regulator_size_kg_h=regulator_size_kg_h(needed_kg_h) or REGULATORS_KG_H[-1],
        life_years={"regulator": REGULATOR_Y, **{h.id: hose_life_years(h) for h in g.hoses}},
        coldest_c=coldest(ctx).value,
        gauge_mbar=cold.vapour_pressure_gauge_mbar,
        usable_frac=cold.usable_mass_frac,
        min_temp_c=cold.min_temp_c,
        cold=rows,
        vessels=_vessels(ctx, g, autonomy, boils),
        usable_kg=autonomy.usable_kg if autonomy else 0.0,
        after_reserve_kg=autonomy.after_reserve_kg if autonomy else 0.0,
        days=autonomy.autonomy_days if autonomy else None,
        target_days=g.target_days if g.target_days is not None else max(1.0, float(ctx.nights)),
        full_mass_kg=autonomy.full_mass_kg if autonomy else 0.0,
        cost_day=autonomy.cost_per_day if autonomy else None,
        trip_kg=autonomy.trip_kg if autonomy else None,
        refills=autonomy.refills_count if autonomy else None,
        boil=enough,
        pipes=pipes,
        locker=locker,
        room=room,
        solenoid_wh_day=g.solenoid.hold_w * g.solenoid.open_h_day if g.solenoid else None,
        countries=_countries(ctx, kg_day) if g.aboard else [],
        useful_wh=cooking.useful_wh,
        cooking=cooking.methods,
        tests=[_test(ctx, t, pipes.volume_l if pipes else 0.0, now) for t in ctx.facts.gas_tests],
        checks={c.id: _check(ctx, c) for c in ctx.facts.gas_checks},
        marks=now,
        on_panel=_on_panel(ctx),
    )
    worked = Gassed(part, use, autonomy, cold, solved, vents, boils)
    if g.begun:
        _figures(ctx, worked)
    return worked


def trip_numbers(ctx: Context) -> tuple[float, float] | None:
    """kg that the vessels give on the coldest night, and kg a day of what the weather doesn't drive; None where there are no vessels."""
    g = ctx.design.gas
    if not g.vessels:
        return None
    burns, _ = work_use(ctx, {})
    mix = mixture(g)
    cold, _ = work_cold(ctx)
    usable = sum(capacity_kg(v, mix) * v.count for v in g.vessels) * cold.usable_mass_frac
    return usable, cooking_kg_day(ctx, burns)
