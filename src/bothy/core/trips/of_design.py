"""The trip of a design: its itinerary, panels, bank, sources and appliances as a plan for the engine, and what came of the run."""

from __future__ import annotations

import math
from collections import defaultdict
from dataclasses import replace
from typing import Any

import numpy as np
from pydantic import BaseModel

from bothy.core.catalogue.parts import parts
from bothy.core.context import Context
from bothy.core.contract import EPS, quick
from bothy.core.finding import Finding
from bothy.core.power.driving import DcdcSizeIn, dcdc_size
from bothy.core.power.load_budget import LoadBudgetIn, load_budget
from bothy.core.power.panels import MISMATCH, array_power, azimuth_of, curve_factor, on_controllers, soiling_of
from bothy.core.power.supply import second_alternator_a
from bothy.core.power.uses import inverter_use
from bothy.core.sun.draws import KT_AUTOCORR
from bothy.core.sun.geometry import Array, midpoints
from bothy.core.sun.plane import Module
from bothy.core.trips import cells as c
from bothy.core.trips.battery import UA_W_K, TripBank
from bothy.core.trips.cabin import Thermal, thermal_of
from bothy.core.trips.engine import Arrays, Plan, PlanArray, PlanDay, Result, Weather, refitted
from bothy.core.trips.frost import FrostTrip, frost_trip
from bothy.core.trips.generator import GeneratorTrip, generator_numbers, generator_trip
from bothy.core.trips.itinerary import Forecasts, NoTrip, clock_h, days_of, leg_days, legs_of
from bothy.core.trips.replay import replay_of, without_years
from bothy.core.trips.stores import GasTrip, WaterTrip, gas_trip, half, water_trip
from bothy.core.trips.trip import default_shed

STEP_MIN = 15
ASSUMED = (
    "Approximate climate of the place; import a weather file for precision.",
    "Panels with 3 % dirt and 2 % mismatch, shaded as far as Power says so.",
    "Fridges work as in their season’s usual air; the cabin is one store of heat and one of damp, and the first heater of Warmth warms it.",
    "Windows are opened above 25 °C inside where it is cooler outside; the damp that linings take up and give off is not counted.",
)


def _loads(ctx: Context, days: list[PlanDay], hours: Array, but: frozenset[str] = frozenset()) -> tuple[Array, Array]:
    """Power by day, step and tier in W at the bank's terminals and at the sockets, from the load budget of each kind of day; without those of ``but``."""
    dc, ac = np.zeros((len(days), hours.size, 3)), np.zeros((len(days), hours.size, 3))
    clock = np.floor(hours + clock_h(ctx.design)).astype(int) % 24
    appliances = [a for a in ctx.design.life.appliances if a.count > 0 and a.id not in but]
    known: dict[tuple[str, str], tuple[Array, Array]] = {}
    use = inverter_use(ctx)
    for j, (day, (leg, n)) in enumerate(zip(days, leg_days(ctx.design), strict=True)):
        season = day.place.season(day.date.month)
        kind = "driving" if leg.drive_h > 0 and n == 0 and leg.day_type == "parked" else leg.day_type
        if (season, kind) not in known:
            budget = load_budget(quick(
                LoadBudgetIn, bank_voltage_v=ctx.bank_v, bank_min_voltage_v=None, season=season, day_types=[kind], ambient_temp_c=ctx.galley_temp(season), inverter=use,
                distribution_loss_frac=0.02, margin_frac=0.0, loads=[a.load for a in appliances]))  # fmt: skip
            by_dc, by_ac = np.zeros((24, 3)), np.zeros((24, 3))
            for a, x in zip(appliances, budget.loads, strict=True):
                weights = np.array(a.load.hourly_weights or [1.0] * 24)
                into, energy = (by_ac, x.energy_wh) if a.supply == "ac" else (by_dc, x.bank_energy_wh)
                into[:, a.rank - 1] += energy * weights / weights.sum()
            known[season, kind] = by_dc, by_ac
        dc[j], ac[j] = known[season, kind][0][clock], known[season, kind][1][clock]
    return dc, ac


def loads_of(ctx: Context) -> tuple[Array, Array]:
    """Power of the appliances by day, step and tier in W, at the bank's terminals and at the sockets. Raises :class:`NoTrip` without a trip."""
    return _loads(ctx, days_of(ctx), midpoints(STEP_MIN))


def bank_of(ctx: Context) -> TripBank:
    """The bank as the engine takes it. Raises :class:`NoTrip` when there is none."""
    b = ctx.design.power.bank
    if b is None:
        raise NoTrip("bank", "is missing; choose a bank in Power, or take Bothy's")
    p = b.parallel_count
    return TripBank.trusted(
        chemistry=b.chemistry, capacity_ah=b.unit_charge_ah * p, system_voltage_v=ctx.system_v, max_charge_a=b.unit_max_charge_a * p if b.unit_max_charge_a else None,
        max_discharge_a=b.unit_max_discharge_a * p if b.unit_max_discharge_a else None, thermal_ua_w_k=b.heat_loss_w_k if b.heat_loss_w_k is not None else UA_W_K,
        soc_floor_frac=1 - b.usable_frac if b.usable_frac is not None else None, soc_ceiling_frac=b.charge_to_frac or 1.0, peukert_exponent=b.peukert_exponent,
    )  # fmt: skip


def panels_of(ctx: Context) -> list[PlanArray]:
    """The panels as the engine takes them."""
    out = []
    for n, (control, arrays) in enumerate(on_controllers(ctx.design.power)):
        pwm = control.controller_type == "pwm"
        for a in arrays:
            held = min(1.0, 13.2 * ctx.scale / (a.vmp_v * a.series_count)) if pwm else None
            m = Module(array_power(a), a.mounting, a.power_coeff_per_k, a.noct_c, 0.05, 0.02, soiling_of(a), 0.98, MISMATCH * curve_factor(a), a.sky_view_frac)
            shade, most = tuple(a.shade_frac) or (0.0,) * 24, control.max_charge_current_a * ctx.bank_v
            out.append(PlanArray(m, a.tilt_deg, azimuth_of(a, ctx.climate.lat_deg), a.deploy, shade, n, 0.98 if pwm else 0.97, most, held))
    return out


def driving_w(ctx: Context) -> float:
    """Charging power while driving in W. A second alternator gives what it can hot and the bank takes; a relay gives what the voltages push through it, at half charge; behind a smart alternator it is not counted on."""
    p = ctx.design.power
    if p.driving is None:
        return 0.0
    if p.driving.school == "dcdc":
        return p.driving.rating_a * ctx.bank_v
    if p.driving.school == "second":
        return second_alternator_a(ctx).value * ctx.bank_v
    if ctx.smart or p.bank is None or ctx.alternator_a <= 0:
        return 0.0
    most = p.bank.unit_max_charge_a * p.bank.parallel_count if p.bank.unit_max_charge_a else None
    out = dcdc_size(DcdcSizeIn.trusted(chemistry=p.bank.chemistry, capacity_ah=p.bank.unit_charge_ah * p.bank.parallel_count, max_charge_a=most, system_voltage_v=ctx.system_v,
                                       alternator_rated_a=ctx.alternator_a, alternator_system_v=ctx.vehicle_system_v, school="relay", drive_h=1.0, soc_start_frac=0.5))  # fmt: skip
    return min(out.relay_current_a or 0.0, p.driving.rating_a, out.available_running_a, out.bank_limit_a) * ctx.bank_v


def numbers_of(ctx: Context, bank: TripBank, thermal: Thermal | None = None) -> Array:
    """Everything that is one number, in the kernel's order; ``thermal`` where it was worked out before."""
    from bothy.core.trips import kernel as k

    p = ctx.design.power
    n = np.zeros(k.PLAN_SIZE)
    n[[k.SHED_1, k.SHED_2, k.SHED_3]] = k.NEVER_SHED
    s = ctx.design.trips.schools
    for tier, off, back in default_shed(bank.floor) if s.shed == "tiers" else []:
        n[k.SHED_1 + tier - 1], n[k.BACK_1 + tier - 1] = min(off, 0.95), min(back, 0.98)
    t = ctx.design.trips
    n[k.ALBEDO], n[k.DCDC] = s.albedo_frac, driving_w(ctx)
    n[k.DCDC_BELOW], n[k.HOOKUP_FIRST] = s.dcdc_below_frac if s.dcdc_below_frac is not None else k.ALWAYS_CHARGED, float(s.source_order == "hookup_first")
    n[k.SNOW], n[k.SNOW_CLEARED] = float(t.snow), t.snow_cleared_h if t.snow_cleared_h is not None else k.NEVER_CLEARED
    inlet = (p.shore.inlet_current_a if p.shore else None) or ctx.region.inlet_a
    supply = (p.shore.supply_current_a if p.shore else None) or inlet
    n[k.CHARGER], n[k.ETA_CHARGER] = (p.shore.charger_current_a * ctx.bank_v if p.shore else 0.0), 0.90
    n[k.SHORE_MOST] = ctx.region.continuous_frac * min(inlet, supply) * ctx.region.mains_v if p.shore else 0.0
    if p.inverter is not None:
        use = inverter_use(ctx)
        n[k.INVERTER], n[k.IDLE], n[k.ETA_INVERTER], n[k.ALWAYS] = 1, use.idle_w, use.efficiency_frac, float(p.inverter.mode == "always")
    n[k.FRIDGE_IN], n[k.FRIDGE_REF] = 4, 25
    stores = (thermal or thermal_of(ctx)).numbers
    for place, value in (stores | generator_numbers(ctx, stores)).items():
        n[place] = value
    if p.bank is not None and p.bank.heater_power_w > 0:
        n[k.BANK_HEATER] = k.KEPT_WARM if p.bank.heater_when == "kept_warm" else k.HEATED_ON_CHARGE
        n[k.BANK_HEATER_W] = p.bank.heater_power_w * p.bank.series_count * p.bank.parallel_count
    n[k.BANK_INSIDE] = float(ctx.bank_place in ("warm_inside", "unheated_inside"))
    n[k.SOC_START] = t.soc_start_frac
    return n


def plan_of_design(ctx: Context, forecasts: Forecasts | None = None, thermal: Thermal | None = None) -> Plan:
    """The plan of a design's trip; ``thermal`` where it was worked out before. Raises :class:`NoTrip` when something is missing for it."""
    days, bank = days_of(ctx), bank_of(ctx)
    if forecasts is not None:
        days = forecasts.over(days)
    hours = midpoints(STEP_MIN)
    thermal = thermal or thermal_of(ctx)
    dc, ac = _loads(ctx, days, hours, thermal.stands_for)
    if ctx.design.power.inverter is None:
        ac = np.zeros_like(ac)
    t = ctx.design.trips
    like = t.schools.kt_autocorr if t.schools.kt_autocorr is not None else KT_AUTOCORR
    past = replay_of(ctx, days) if t.schools.weather_source == "replay" else None
    return Plan(days, STEP_MIN, panels_of(ctx), bank.numbers, numbers_of(ctx, bank, thermal), dc, ac, True, t.seed, t.draw_count, like, replay=past)


class Lane(BaseModel):
    """One quantity over the trip, a value a point: what 1 in 10, half and 9 in 10 of the weathers stay under."""

    p10: list[float]
    p50: list[float]
    p90: list[float]


class TripDaySum(BaseModel):
    """One day: where, and in half of the weathers how much came in, was used and was missing in Wh; least charge in 1 of 10; share of weathers with a shortage."""

    date: str
    leg: str
    place: str
    sun_wh: float
    sources_wh: float
    load_wh: float
    missing_wh: float
    least_soc_p10: float
    short_frac: float
    kt_p50: float
    mean_c_p50: float


class TripMonth(BaseModel):
    """One calendar month of the trip: its days, share of short days, Wh a day, and the seven days in a row with the most missing (mean of the weathers)."""

    month: str
    days: int
    short_frac: float
    sun_wh_day: float
    load_wh_day: float
    missing_wh_day: float
    worst_week_wh: float
    least_soc_p10: float


class TripEventOut(BaseModel):
    """Something that happened in one of the three weathers that are drawn."""

    draw: int
    time_d: float
    what: str


class YearTrip(BaseModel):
    """The trip in one year of the files: its short days and the least charge."""

    year: int
    short_days: int
    least_soc: float


class Buy(BaseModel):
    """What one more part would do on the same weathers: share of short days and its change with the error of that, Wh missing a day and its change.

    Price in euro and mass in kg of what is added, where the catalogue knows it."""

    what: str
    price_eur: float | None = None
    mass_kg: float | None = None
    short_days_frac: float
    change_frac: float
    error_frac: float
    missing_wh_day: float
    change_wh_day: float


class WarmTrip(BaseModel):
    """Warmth over the trip, means of the weathers: heat kWh, fuel L and kg, when the fuel is first out (in half of the weathers), electricity of heater and cooler Wh a day;
    hours too warm, too damp, with water on the coldest face; the coldest and the hottest cabin of 1 in 10; the longest time in a row (of half of the weathers) that the
    heater does not reach its setting by more than 3 K; a bay's frost."""

    heat_kwh: float
    diesel_l: float
    gas_kg: float
    fuel_first_d: float | None
    heater_wh_day: float
    cooler_wh_day: float
    cool_missing_kwh: float
    hot_h: float
    damp_h: float
    wet_h: float
    condensed_kg: float
    coldest_p10_c: float
    hottest_p90_c: float
    cold_run_h: float
    freeze_frac: float
    freeze_h: float
    bay_frac: float
    bay_h: float
    bay_first_d: float | None


class TripRun(BaseModel):
    """A run of the trip. Lanes have ``per_day`` points a day; ``histories`` are three weathers that happened to be near the 1 in 10, the half and the 9 in 10."""

    draw_count: int
    seed: int
    day_count: int
    per_day: int
    floor_frac: float
    soc: Lane
    sun_w: Lane
    load_w: Lane
    cabin_c: Lane
    fed_w: Lane
    histories: dict[str, list[float]]
    days: list[TripDaySum]
    months: list[TripMonth]
    forecast_days: int
    years: list[YearTrip]
    autonomy_d: float | None
    events: list[TripEventOut]
    short_days_frac: float
    error_frac: float | None
    trips_short_frac: float
    least_soc_p10: float
    least_soc_p50: float
    least_soc_p90: float
    first_short_d: float | None
    first_short_p50_d: float | None
    first_short_p90_d: float | None
    sun_wh_day: float
    driving_wh_day: float
    shore_wh_day: float
    generator: GeneratorTrip | None
    bank_heater_wh_day: float
    snow_days: float
    snow_wh_day: float
    mains_short_w: float
    mains_short_h: float
    medical_draws_frac: float
    medical_first_d: float | None
    heat_missing_frac: float | None
    short_in_normals_d: float | None
    rh: Lane
    warm: WarmTrip
    water: WaterTrip | None = None
    gas: GasTrip | None = None
    frost: list[FrostTrip] = []
    limited_h: float
    cycles_year: float
    inverter_idle_wh_day: float
    clipped_frac: float
    load_wh_day: float
    curtailed_wh_day: float
    missing_wh_day: float
    refused_cold_h: float
    refused_cold_wh: float
    coldest_cell_c: float
    refused_hot_h: float
    most_ac_w: float
    balance_error_wh: float
    buys: list[Buy]
    findings: list[Finding]
    assumed: list[str]


EVENT_WORDS = ("all loads off: the bank is empty", "loads back on", "loads shed", "shed loads back on")


def _lane(x: Array) -> Lane:
    found = np.percentile(x, (10, 50, 90), axis=0)
    return Lane(p10=found[0].round(4).tolist(), p50=found[1].round(4).tolist(), p90=found[2].round(4).tolist())


def points_a_day(days: int) -> int:
    """Points of a lane a day: every step for short trips, one a day for long ones."""
    return 96 if days <= 21 else 24 if days <= 60 else 4 if days <= 120 else 1


def idle_wh(plan: Plan, loss_wh: float) -> float:
    """What of the inverter's loss over a trip is its own idling: the rest follows the mains that it made (all of what was asked away from hook-ups)."""
    from bothy.core.trips import kernel as k

    asked = 0.0
    for j, d in enumerate(plan.days):
        first, last, _ = d.mains(0.0)
        off = ~((first <= plan.hours) & (plan.hours < last))
        asked += float(plan.ac[j].sum(axis=1)[off].sum()) * plan.step_min / 60
    return max(0.0, loss_wh - asked * (1 / plan.numbers[k.ETA_INVERTER] - 1)) if plan.numbers[k.INVERTER] else 0.0


CLIP_DRAWS = 8


def clipped_part(plan: Plan, weather: Weather) -> float:
    """Part of the panels' energy that too small controllers clip, over a few of the weathers; nothing where each is large enough for its panels' label."""
    from bothy.core.trips.engine import simulate

    label: defaultdict[int, float] = defaultdict(float)
    for a in plan.arrays:
        label[a.controller] += a.module.power_stc_w
    if all(label[a.controller] <= a.most_w for a in plan.arrays):
        return 0.0
    few = Weather(*(x[:CLIP_DRAWS] for x in (weather.clear, weather.diffuse, weather.mean_c, weather.swing_c)))
    free = [replace(a, most_w=1e12) for a in plan.arrays]
    made, could = (float(simulate(replace(plan, arrays=a), weather=few).ledger[:, 0].sum()) for a in (plan.arrays, free))
    return 1 - made / could if could > 0 else 0.0


def medical(ctx: Context, r: Result) -> dict[str, float | None]:
    """In what share of the weathers a medical device goes dark or is shed, and when that is first; nothing without one."""
    from bothy.core.trips import kernel as k

    ranks = {a.rank for a in ctx.design.life.appliances if a.kind == "medical" and a.count > 0}
    if not ranks:
        return {"medical_draws_frac": 0.0, "medical_first_d": None}
    ends = {int(k.E_DISCONNECT)} | ({int(k.E_SHED)} if ranks & {2, 3} else set())
    firsts = [min((t for t, kind in r.draw_events(d) if kind in ends), default=None) for d in range(r.ledger.shape[0])]
    known = [t for t in firsts if t is not None]
    return {"medical_draws_frac": len(known) / len(firsts), "medical_first_d": min(known) if known else None}


def mains_short(plan: Plan) -> dict[str, float]:
    """The most by which mains appliances ask for more than a hook-up or a generator gives, mean of a step, in W, and for how many hours of the trip."""
    from bothy.core.trips import kernel as k

    worst, short_h, hours = 0.0, 0.0, plan.hours
    for j, d in enumerate(plan.days):
        first, last, most = d.mains(plan.numbers[k.SHORE_MOST])
        on = (first <= hours) & (hours < last) & ~((d.drive_start_h <= hours) & (hours < d.drive_start_h + d.drive_h))
        over = plan.ac[j].sum(axis=1)[on] - most
        worst = max(worst, float(over.max(initial=0.0)))
        short_h += float((over > EPS).sum()) * plan.step_min / 60
    return {"mains_short_w": worst, "mains_short_h": short_h}


def months_of(days: list[TripDaySum]) -> list[TripMonth]:
    """Sums by calendar month; a week that crosses into the next month counts where it ends."""
    missing = np.array([d.missing_wh for d in days])
    week = np.convolve(missing, np.ones(min(7, len(days))))[: len(days)]
    out = []
    for month in dict.fromkeys(d.date[:7] for d in days):
        rows = [i for i, d in enumerate(days) if d.date[:7] == month]
        part = [days[i] for i in rows]
        n = len(part)
        out.append(TripMonth(month=month, days=n, short_frac=sum(d.short_frac for d in part) / n, sun_wh_day=sum(d.sun_wh for d in part) / n, load_wh_day=sum(d.load_wh for d in part) / n,
                             missing_wh_day=sum(d.missing_wh for d in part) / n, worst_week_wh=float(week[rows].max()), least_soc_p10=min(d.least_soc_p10 for d in part)))  # fmt: skip
    return out


class _Kept:
    """What is kept of the series: points of the lanes by draw, sums and least charge by day."""

    def __init__(self, plan: Plan, count: int) -> None:
        self.days, self.hours = len(plan.days), plan.step_min / 60
        self.per_day = points_a_day(self.days)
        points = (count, self.days * self.per_day)
        self.soc, self.sun, self.load, self.cabin, self.fed, self.rh = (np.zeros(points) for _ in range(6))
        self.levels: dict[str, list[float]] = {}
        self.gas, self.can = np.zeros(points), np.zeros(points)
        by_day = (count, self.days)
        self.day_least, self.day_sun, self.day_load, self.day_in = (np.zeros(by_day) for _ in range(4))

    def __call__(self, first: int, last: int, series: Array) -> None:
        """Take the series of a block of draws."""
        from bothy.core.trips import kernel as k

        block = slice(first, last)

        def groups(i: int, count: int) -> Array:
            return series[:, :, i].astype(float).reshape(last - first, count, -1)

        points = self.days * self.per_day
        if first == 0:
            for name, i in (("fresh", k.S_FRESH), ("grey", k.S_GREY), ("toilet", k.S_TOILET)):
                self.levels[name] = groups(i, points)[0, :, -1].round(2).tolist()
        self.gas[block], self.can[block] = groups(k.S_GAS, points)[:, :, -1], groups(k.S_GEN, points)[:, :, -1]
        self.soc[block], self.cabin[block] = groups(k.S_SOC, points).min(axis=2), groups(k.S_CABIN, points).min(axis=2)
        self.sun[block], self.load[block] = groups(k.S_PV, points).mean(axis=2), groups(k.S_LOAD, points).mean(axis=2)
        self.fed[block], self.rh[block] = groups(k.S_SOURCES, points).mean(axis=2), groups(k.S_RH, points).mean(axis=2)
        self.day_least[block] = groups(k.S_SOC, self.days).min(axis=2)
        for into, i in ((self.day_sun, k.S_PV), (self.day_load, k.S_LOAD), (self.day_in, k.S_SOURCES)):
            into[block] = groups(i, self.days).sum(axis=2) * self.hours


def warm_trip(r: Result, days: int, numbers: Array) -> WarmTrip:
    """What a run says of warmth."""
    from bothy.core.trips import kernel as k
    from bothy.core.trips.results import WHOLE_LEDGER

    m, s = dict(zip(WHOLE_LEDGER, r.ledger.mean(axis=0), strict=True)), r.summary
    by_gas = numbers[k.HEATER] == k.BY_GAS
    fuel = s[:, k.FIRST_GAS] if by_gas else s[:, k.FIRST_DIESEL]
    return WarmTrip(
        heat_kwh=m["heat_wh"] / 1000, diesel_l=m["diesel_used_l"], gas_kg=m["gas_used_kg"] if by_gas else 0.0, fuel_first_d=half(fuel), heater_wh_day=m["heater_el_wh"] / days, cooler_wh_day=m["cooler_el_wh"] / days,
        cool_missing_kwh=m["cool_unserved_wh"] / 1000, hot_h=float(s[:, k.HOT_H].mean()), damp_h=float(s[:, k.DAMP_H].mean()), wet_h=float(s[:, k.WET_H].mean()), condensed_kg=m["condensed_g"] / 1000,
        coldest_p10_c=float(np.percentile(s[:, k.LEAST_CABIN], 10)), hottest_p90_c=float(np.percentile(s[:, k.MOST_CABIN], 90)),
        cold_run_h=float(np.median(s[:, k.COLD_RUN_H])), freeze_frac=float((s[:, k.FREEZE_H] > 0).mean()), freeze_h=float(s[:, k.FREEZE_H].mean()),
        bay_frac=float((s[:, k.BAY_FREEZE_H] > 0).mean()), bay_h=float(s[:, k.BAY_FREEZE_H].mean()), bay_first_d=half(s[:, k.FIRST_BAY]),
    )  # fmt: skip


def run_of(ctx: Context, plan: Plan, r: Result, kept: _Kept, weather: Any) -> TripRun:
    """What a run says, from its sums and what was kept of its series."""
    from bothy.core.trips import kernel as k
    from bothy.core.trips.results import WHOLE_LEDGER, balance_error, standard_error

    n, count = len(plan.days), r.ledger.shape[0]
    least = r.summary[:, k.LEAST_SOC]
    order = np.argsort(least, kind="stable")
    named = {name: int(order[min(count - 1, round(q * (count - 1)))]) for name, q in (("p10", 0.1), ("p50", 0.5), ("p90", 0.9))}
    asked = (plan.dc.sum(axis=2) + plan.ac.sum(axis=2)).sum(axis=1) * plan.step_min / 60
    legs = leg_days(ctx.design)
    days = [quick(TripDaySum, date=d.date.isoformat(), leg=legs[j][0].id, place=d.place.name, sun_wh=float(np.median(kept.day_sun[:, j])),
                  sources_wh=float(np.median(kept.day_in[:, j])), load_wh=float(np.median(kept.day_load[:, j])),
                  missing_wh=max(0.0, float(asked[j] - np.mean(kept.day_load[:, j]))) if r.short_day[:, j].any() else 0.0,
                  least_soc_p10=float(np.percentile(kept.day_least[:, j], 10)), short_frac=float(r.short_day[:, j].mean()), kt_p50=float(np.median(weather.clear[:, j])),
                  mean_c_p50=float(np.median(weather.mean_c[:, j]))) for j, d in enumerate(plan.days)]  # fmt: skip
    firsts = r.summary[:, k.FIRST_ELECTRICITY]
    happened = np.sort(firsts[firsts >= 0])
    means = dict(zip(WHOLE_LEDGER, r.ledger.mean(axis=0), strict=True))
    error = standard_error(r.short_day)
    return TripRun(
        draw_count=count, seed=plan.seed, day_count=n, per_day=kept.per_day, floor_frac=float(1 - ctx.usable_frac), soc=_lane(kept.soc), sun_w=_lane(kept.sun),
        load_w=_lane(kept.load), cabin_c=_lane(kept.cabin), fed_w=_lane(kept.fed), rh=_lane(kept.rh), warm=warm_trip(r, n, plan.numbers), water=water_trip(ctx, r, plan.numbers, kept.levels), gas=gas_trip(ctx, r, plan.numbers, np.median(kept.gas, axis=0).round(3).tolist()), frost=frost_trip(ctx, plan, weather), months=months_of(days), forecast_days=sum(d.forecast is not None for d in plan.days),
        years=[YearTrip(year=y, short_days=int(r.short_day[m].sum()), least_soc=float(least[m])) for m, y in enumerate(plan.replay.years)] if plan.replay else [],
        autonomy_d=autonomy_d(plan, means, n), histories={name: kept.soc[d].round(4).tolist() for name, d in named.items()}, days=days,
        events=[TripEventOut(draw=d, time_d=t, what=EVENT_WORDS[w]) for d in sorted(set(named.values())) for t, w in r.draw_events(d)][:400],
        short_days_frac=float(r.short_day.mean()), error_frac=None if math.isnan(error) else error, trips_short_frac=float((r.short_day.sum(axis=1) > 0).mean()),
        least_soc_p10=float(np.percentile(least, 10)), least_soc_p50=float(np.percentile(least, 50)), least_soc_p90=float(np.percentile(least, 90)),
        first_short_d=float(happened[0]) if happened.size else None, first_short_p50_d=float(happened[count // 2]) if happened.size > count // 2 else None, first_short_p90_d=float(happened[int(0.9 * count)]) if happened.size > int(0.9 * count) else None,
        sun_wh_day=means["pv_used_wh"] / n, driving_wh_day=means["dcdc_wh"] / n, shore_wh_day=(means["shore_dc_wh"] + means["shore_ac_wh"]) / n, load_wh_day=means["load_served_wh"] / n,
        generator=generator_trip(ctx, plan, r, np.median(kept.can, axis=0).round(3).tolist()), bank_heater_wh_day=means["bank_heat_wh"] / n,
        snow_days=float(r.summary[:, k.SNOW_DAYS].mean()), snow_wh_day=means["snow_lost_wh"] / n, **mains_short(plan), **medical(ctx, r), heat_missing_frac=means["heat_unserved_wh"] / asked_heat if (asked_heat := means["heat_wh"] + means["heat_unserved_wh"]) > 0 else None,
        short_in_normals_d=None, limited_h=float(r.summary[:, k.LIMITED_H].mean()), cycles_year=means["battery_out_wh"] / plan.bank[c.E_NOM] / n * 365,
        inverter_idle_wh_day=idle_wh(plan, means["inverter_loss_wh"]) / n, clipped_frac=clipped_part(plan, weather),
        curtailed_wh_day=means["curtailed_wh"] / n, missing_wh_day=(means["shed_wh"] + means["unserved_wh"]) / n, refused_cold_h=float(r.summary[:, k.REFUSED_COLD_H].mean()),
        refused_cold_wh=float(r.summary[:, k.REFUSED_COLD_WH].mean()), coldest_cell_c=float(r.summary[:, k.LEAST_CELL].min()), refused_hot_h=float(r.summary[:, k.REFUSED_HOT_H].mean()),
        most_ac_w=float(plan.ac.sum(axis=2).max()), balance_error_wh=balance_error(r.ledger), buys=[], findings=[], assumed=list(ASSUMED),
    )  # fmt: skip


MORE_DRIVING_W = 100.0


def _added(ctx: Context, what: str) -> dict[str, float | None]:
    """Price and mass of one more panel or battery of the design's own kind, where the catalogue knows it."""
    p = ctx.design.power
    shared = next((a for a in p.arrays if a.controller is None), None)
    key = shared.part if shared and what.startswith("one more panel") else p.bank.part if p.bank and what.startswith("one more battery") else None
    part = parts().get(key or "")
    return {"price_eur": part.price_eur, "mass_kg": part.mass_kg} if part else {"price_eur": None, "mass_kg": None}


def autonomy_d(plan: Plan, means: dict[str, float], days: int) -> float | None:
    """The classic figure: days that a full bank lasts without any source, at the trip's mean use; None where nothing is used."""
    asked = (means["load_demand_wh"] - means["shore_ac_wh"]) / days
    return (1 - plan.bank[c.FLOOR]) * plan.bank[c.E_NOM] / asked if asked > 0 else None


def _more(ctx: Context) -> list[tuple[str, Context]]:
    """The same design with one more panel, one more battery, 100 W more while driving, and in winter with its panels on the ground."""
    p = ctx.design.power
    out = []
    shared = [a for a in p.arrays if a.controller is None]
    if shared and p.controller is not None:
        a = shared[0]
        one = a.model_copy(update={"panel_power_w": a.panel_power_w * (1 + 1 / (a.series_count * a.parallel_count))})
        room = p.controller.model_copy(update={"max_charge_current_a": p.controller.max_charge_current_a + a.panel_power_w / ctx.bank_v})
        out.append(
            (
                f"one more panel of {a.panel_power_w:g} W, with its controller",
                p.model_copy(update={"arrays": [one if x is a else x for x in p.arrays], "controller": room}),
            )
        )
    if p.bank is not None:
        out.append(
            (
                f"one more battery of {p.bank.unit_charge_ah:g} Ah",
                p.model_copy(update={"bank": p.bank.model_copy(update={"parallel_count": p.bank.parallel_count + 1})}),
            )
        )
    if p.driving is not None and p.driving.school == "dcdc" and any(leg.drive_h > 0 for leg in legs_of(ctx.design)):
        more = p.driving.model_copy(update={"rating_a": p.driving.rating_a + MORE_DRIVING_W / ctx.bank_v})
        out.append((f"{MORE_DRIVING_W:.0f} W more while driving", p.model_copy(update={"driving": more})))
    if any(a.tilt_deg == 0 and a.deploy == "fixed" for a in p.arrays) and p.controller is not None and _in_winter(ctx):
        lifted = [a.model_copy(update={"tilt_deg": 60.0, "azimuth_deg": 180.0 if _north(ctx) else 0.0, "deploy": "ground"}) for a in p.arrays]
        out.append(("the same panels on the ground at 60°, facing the noon sun", p.model_copy(update={"arrays": lifted})))
    return [(what, Context(ctx.design.model_copy(update={"power": power}))) for what, power in out]


def _north(ctx: Context) -> bool:
    return sum(d.place.lat_deg for d in days_of(ctx)) >= 0


def _in_winter(ctx: Context) -> bool:
    """Most of the trip lies in the winter half of the year, far from the equator."""
    days = days_of(ctx)
    dark = sum(abs(d.place.lat_deg) > 40 and (d.date.month in (10, 11, 12, 1, 2, 3)) == (d.place.lat_deg > 0) for d in days)
    return 2 * dark > len(days)


def _lies(a: PlanArray) -> tuple[float, float, str]:
    """How an array lies: what its part of the sun hangs on."""
    return (a.tilt_deg, a.azimuth_deg, a.deploy)


def _buys(ctx: Context, plan: Plan, thermal: Thermal, r: Result, weather: Any, ready: Arrays, workers: int = 1) -> list[Buy]:
    """What one more part would do, on the same weathers, so that luck cancels out."""
    from bothy.core.trips.engine import simulate
    from bothy.core.trips.results import LEDGER

    i, j, count = LEDGER.index("shed_wh"), LEDGER.index("unserved_wh"), plan.weather_count
    out = []
    for what, more in _more(ctx):
        bank = bank_of(more)
        # cabin, loads and stores stay as they are: only panels, bank and their numbers differ
        made = replace(plan, arrays=panels_of(more), bank=bank.numbers, numbers=numbers_of(more, bank, thermal))
        alike = [_lies(a) for a in made.arrays] == [_lies(a) for a in plan.arrays]
        other = simulate(made, weather=weather, ready=refitted(ready, made, 0, count) if alike else None, workers=workers)
        days = r.short_day.shape[1]
        change = (other.short_day.astype(float) - r.short_day).mean(axis=1)
        missing = ((other.ledger[:, i] + other.ledger[:, j]) / days).mean()
        now = ((r.ledger[:, i] + r.ledger[:, j]) / days).mean()
        error = float(change.std(ddof=1) / math.sqrt(change.size)) if change.size > 1 else 0.0
        out.append(Buy(what=what, short_days_frac=float(other.short_day.mean()), change_frac=float(change.mean()), error_frac=error, missing_wh_day=float(missing),
                       change_wh_day=float(missing - now), **_added(ctx, what)))  # fmt: skip
    return out


def run_trip(ctx: Context, *, workers: int = 1, between: Any = None, forecasts: Forecasts | None = None) -> TripRun:
    """Simulate the trip of a design. Raises :class:`NoTrip` when something is missing for it."""
    from bothy.core.trips.engine import arrays_of, simulate, weather_of
    from bothy.core.trips.rules import trip_findings

    thermal = thermal_of(ctx)
    plan = plan_of_design(ctx, forecasts, thermal)
    weather = weather_of(plan)
    kept = _Kept(plan, plan.weather_count)
    ready = arrays_of(plan, weather)
    result = simulate(plan, keep=kept, ready=ready, workers=workers, between=between)
    run = run_of(ctx, plan, result, kept, weather)
    if forecasts is not None and run.forecast_days:
        run.assumed.insert(0, f"The weather of {run.forecast_days} days is that of a forecast ({forecasts.source}); beyond it, it is drawn.")
    if plan.replay is not None:
        run.assumed.insert(0, f"The weather of {run.draw_count} years of the files, {plan.replay.years[0]} to {plan.replay.years[-1]}, each as it was.")
    elif ctx.design.trips.schools.weather_source == "replay":
        run.assumed.insert(
            0, f"The weather is drawn, for no file with whole years is there for {', '.join(without_years(ctx, plan.days)) or 'the same years everywhere'}."
        )
    run.buys = _buys(ctx, plan, thermal, result, weather, ready, workers)
    if run.short_days_frac > 0:
        usual = simulate(replace(plan, draws=False, replay=None))
        from bothy.core.trips import kernel as k

        first = float(usual.summary[0, k.FIRST_ELECTRICITY])
        run.short_in_normals_d = first if first >= 0 else None
    run.findings = trip_findings(ctx, run)
    return run
