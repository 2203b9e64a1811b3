"""The plan of a design's trip: its days, panels, bank, sources and appliances as the engine takes them."""

from __future__ import annotations

import numpy as np

from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.power.driving import DcdcSizeIn, dcdc_size
from bothy.core.power.load_budget import LoadBudgetIn, load_budget
from bothy.core.power.panels import MISMATCH, array_power, azimuth_of, curve_factor, on_controllers, soiling_of
from bothy.core.power.supply import second_alternator_a
from bothy.core.power.uses import inverter_use
from bothy.core.sun.draws import KT_AUTOCORR
from bothy.core.sun.geometry import Array, midpoints
from bothy.core.sun.plane import Module
from bothy.core.trips import places as k
from bothy.core.trips.battery import UA_W_K, TripBank
from bothy.core.trips.cabin import Thermal, thermal_of
from bothy.core.trips.engine import Plan, PlanArray, PlanDay
from bothy.core.trips.generator import generator_numbers
from bothy.core.trips.itinerary import Forecasts, NoTrip, clock_h, days_of, leg_days, trip_lat_deg
from bothy.core.trips.replay import replay_of
from bothy.core.trips.trip import default_shed
from bothy.core.words.says import trips_says as says

STEP_MIN = 15


def _loads(ctx: Context, days: list[PlanDay], hours: Array, but: frozenset[str] = frozenset()) -> tuple[Array, Array]:
    """Power by day, step and tier in W at the bank's terminals and at the sockets, from the load budget of each kind of day; without those of ``but``."""
    dc, ac = np.zeros((len(days), hours.size, 3)), np.zeros((len(days), hours.size, 3))
    clock = np.floor(hours + clock_h(ctx.design)).astype(int) % 24
    appliances = [a for a in ctx.design.life.appliances if a.count > 0 and a.id not in but]
    known: dict[tuple[str, str], tuple[Array, Array]] = {}
    use = inverter_use(ctx)
    for j, (day, (leg, n)) in enumerate(zip(days, leg_days(ctx.design), strict=True)):
        season = day.place.season(day.date.month)
        kind = "driving" if leg.drives_on(n) and leg.day_type == "parked" else leg.day_type
        if (season, kind) not in known:
            budget = load_budget(
                quick(
                    LoadBudgetIn,
                    bank_voltage_v=ctx.bank_v,
                    bank_min_voltage_v=None,
                    season=season,
                    day_types=[kind],
                    ambient_temp_c=ctx.galley_temp(season),
                    inverter=use,
                    distribution_loss_frac=0.02,
                    margin_frac=0.0,
                    loads=[a.load for a in appliances],
                )
            )
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
        raise NoTrip("bank", says("missing-choose-bank-in"))
    p = b.parallel_count
    return TripBank.trusted(
        chemistry=b.chemistry,
        capacity_ah=b.unit_charge_ah * p,
        system_voltage_v=ctx.system_v,
        max_charge_a=b.unit_max_charge_a * p if b.unit_max_charge_a else None,
        max_discharge_a=b.unit_max_discharge_a * p if b.unit_max_discharge_a else None,
        thermal_ua_w_k=b.heat_loss_w_k if b.heat_loss_w_k is not None else UA_W_K,
        soc_floor_frac=1 - b.usable_frac if b.usable_frac is not None else None,
        soc_ceiling_frac=b.charge_to_frac or 1.0,
        peukert_exponent=b.peukert_exponent,
    )


def panels_of(ctx: Context) -> list[PlanArray]:
    """The panels as the engine takes them."""
    out, lat = [], trip_lat_deg(ctx)
    for n, (control, arrays) in enumerate(on_controllers(ctx.design.power)):
        pwm = control.controller_type == "pwm"
        for a in arrays:
            held = min(1.0, 13.2 * ctx.scale / (a.vmp_v * a.series_count)) if pwm else None
            m = Module(array_power(a), a.mounting, a.power_coeff_per_k, a.noct_c, 0.05, 0.02, soiling_of(a), 0.98, MISMATCH * curve_factor(a), a.sky_view_frac)
            shade, most = tuple(a.shade_frac) or (0.0,) * 24, control.max_charge_current_a * ctx.bank_v
            out.append(PlanArray(m, a.tilt_deg, azimuth_of(a, lat), a.deploy, shade, n, 0.98 if pwm else 0.97, most, held))
    return out


def driving_w(ctx: Context) -> float:
    """Charging power while driving in W. A second alternator gives what it can hot and the bank takes; a relay gives what the voltages push through
    it, at half charge; behind a smart alternator it is not counted on."""
    p = ctx.design.power
    if p.driving is None:
        return 0.0
    if p.driving.school == "dcdc":
        return p.driving.rating_a * ctx.bank_v
    if p.driving.school == "second":
        return second_alternator_a(ctx).value * ctx.bank_v
    if ctx.smart or p.bank is None or ctx.alternator_a <= 0:
        return 0.0
    if ctx.vehicle_system_v != ctx.system_v:
        return 0.0
    most = p.bank.unit_max_charge_a * p.bank.parallel_count if p.bank.unit_max_charge_a else None
    out = dcdc_size(
        DcdcSizeIn.trusted(
            chemistry=p.bank.chemistry,
            capacity_ah=p.bank.unit_charge_ah * p.bank.parallel_count,
            max_charge_a=most,
            system_voltage_v=ctx.system_v,
            alternator_rated_a=ctx.alternator_a,
            alternator_system_v=ctx.vehicle_system_v,
            school="relay",
            drive_h=1.0,
            soc_start_frac=0.5,
        )
    )
    return min(out.relay_current_a or 0.0, p.driving.rating_a, out.available_running_a, out.bank_limit_a) * ctx.bank_v


def numbers_of(ctx: Context, bank: TripBank, thermal: Thermal | None = None, kept_wh: float | None = None) -> Array:
    """Everything that is one number, in the kernel's order; ``thermal`` where it was worked out before; ``kept_wh``: what the loads of tiers 1 and 2
    take on a mean day."""
    p = ctx.design.power
    n = np.zeros(k.PLAN_SIZE)
    n[[k.SHED_1, k.SHED_2, k.SHED_3]] = k.NEVER_SHED
    s = ctx.design.trips.schools
    day_frac = kept_wh / (bank.capacity_ah * ctx.bank_v) if kept_wh else 1.0
    for tier, off, back in default_shed(bank.floor, day_frac) if s.shed == "tiers" else []:
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
    kept = float((dc[:, :, :2] + ac[:, :, :2]).sum() * STEP_MIN / 60 / len(days))
    return Plan(days, STEP_MIN, panels_of(ctx), bank.numbers, numbers_of(ctx, bank, thermal, kept), dc, ac, True, t.seed, t.draw_count, like, replay=past)
