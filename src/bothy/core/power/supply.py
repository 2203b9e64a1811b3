"""Supply: bank, inverter and sources of the design against its uses (method power.balance)."""

from __future__ import annotations

from dataclasses import dataclass, field

from bothy.core.context import Context
from bothy.core.design.power import Bank, DrivingCharge, Inverter, Shore, SolarArray, SolarController
from bothy.core.figure import Figure, formula, given, pick
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.power import bank as banks
from bothy.core.power.around import inverter_air
from bothy.core.power.bank import most_charge_a
from bothy.core.power.chemistry import capacity_factor
from bothy.core.power.driving import RHO_60C, DcdcSizeIn, DcdcSizeOut, dcdc_size
from bothy.core.power.inverter import (
    InverterDcCurrentIn,
    InverterDcCurrentOut,
    InverterLoad,
    InverterSizeIn,
    InverterSizeOut,
    inverter_dc_current,
    inverter_size,
)
from bothy.core.power.load_budget import SEASONS, LoadBudgetOut
from bothy.core.power.panels import on_controllers, solar_of, string_input
from bothy.core.power.relay import relay_charge
from bothy.core.power.shore import ShoreChargeTimeIn, ShoreChargeTimeOut, shore_charge_time
from bothy.core.power.solar import SolarStringOut, solar_string
from bothy.core.power.uses import HEAVY_W
from bothy.core.words.says import power_says as says

ROOF_SHARE = 0.6
W_PER_M2 = 200.0
"""Label power of a square metre of panels (typical)."""


@formula(says("demand-bank"), "need·(1 − φ + φ/η)", unit="Wh", source=Method("power.balance", "all energy through the bank (φ = 1)"))
def demand(need_wh: float, round_trip_frac: float) -> float:
    return need_wh / round_trip_frac


@formula(
    says("what-second-alternator-charges"),
    "min(hot·label, bank's limit)",
    unit="A",
    source=Method("power.driving-charge", "hot output 75 % of the label") + OwnChoice("typical"),
)
def second_alternator(hot_frac: float, rated_a: float, bank_limit_a: float) -> float:
    return min(hot_frac * rated_a, bank_limit_a)


@formula(says("power-belt"), "U·I/0.55", unit="W", source=Method("power.driving-charge"))
def belt_power(voltage_v: float, current_a: float) -> float:
    return voltage_v * current_a / 0.55


@formula(says("energy-per-day-driving"), "I·U·h", unit="Wh", source=Method("power.balance", "definition"))
def driven_energy(current_a: float, bank_voltage_v: float, drive_h: float) -> float:
    return current_a * bank_voltage_v * drive_h


@formula(says("energy-per-day-driving"), "Q·U", unit="Wh", source=Method("power.balance", "definition"))
def relay_energy(charge_ah: float, bank_voltage_v: float) -> float:
    return charge_ah * bank_voltage_v


SOURCE_OHM = 0.005
"""Alternator and its own cable (typical)."""


def second_alternator_a(ctx: Context) -> Figure:
    """The charging current of a second alternator: hot, and within what the bank takes."""
    p = ctx.design.power
    assert p.driving is not None
    limit = most_charge_a(p.bank) if p.bank else p.driving.rating_a
    return second_alternator(
        given("hot_frac", 0.75, "default", says("hot-under-bonnet-typical")),
        given("rated_a", p.driving.rating_a, "typed", p.driving.name),
        given("bank_limit_a", limit, "typed" if p.bank and p.bank.unit_max_charge_a else "default", says("banks-charge-limit")),
    )


def _through_relay(
    ctx: Context, d: DcdcSizeOut, bank: banks.BankConfigureOut, length_m: float, area_mm2: float | None, beyond_ohm: float
) -> tuple[Figure, Figure | None]:
    """The most that may flow through the relay, and the energy of a day's driving; none is counted on behind a smart alternator."""
    p = ctx.design.power
    assert p.driving is not None
    path = pick(
        says("current-through-relay"),
        says("smaller-what-voltages-push"),
        min(d.relay_current_a or 0.0, ctx.alternator_a),
        "A",
        Method("power.driving-charge", "the same on both sides of the relay"),
        relay_current_a=d.figure("relay_current_a"),
        alternator_a=ctx.figure("/vehicle/alternator_rated_a"),
    )
    if ctx.smart:
        return path, None
    ohm = beyond_ohm + (2 * length_m * RHO_60C / area_mm2 if area_mm2 else 0.0) + SOURCE_OHM + ctx.chem.r_k / bank.charge_ah * (ctx.bank_v / 12) / 1000
    charge = relay_charge(
        ctx.chem.key, bank.charge_ah, ctx.system_v, 14.2 * ctx.scale, ohm, min(p.driving.rating_a, d.available_running_a, bank.max_charge_a), ctx.drive_h
    )
    return path, relay_energy(charge, given("bank_voltage_v", ctx.bank_v, "computed", "cells × cell voltage", source=Method("power.balance")))


@dataclass
class Strings:
    """The panels on one controller. ``key`` names it among figures and headrooms: empty for the one that panels share."""

    controller: SolarController
    arrays: list[SolarArray]
    out: SolarStringOut

    @property
    def own(self) -> str | None:
        """The array whose own controller it is."""
        return self.arrays[0].id if self.arrays[0].controller is not None else None

    @property
    def key(self) -> str:
        """What its figures are called."""
        return f"_{self.own}" if self.own else ""

    @property
    def label(self) -> str:
        """What its headrooms are called after."""
        return f", {self.arrays[0].name}" if self.own else ""


@dataclass
class Supply:
    """Results of the calculators on the design's supply; None where the part is not chosen yet."""

    bank: banks.BankConfigureOut | None = None
    usable_wh: Figure | None = None
    strings: list[Strings] = field(default_factory=list)
    size: InverterSizeOut | None = None
    feed: InverterDcCurrentOut | None = None
    driving: DcdcSizeOut | None = None
    shore: ShoreChargeTimeOut | None = None
    solar_wh: dict[str, Figure] = field(default_factory=dict)
    drive_wh: Figure | None = None
    """On a day with the usual driving."""
    path_a: Figure | None = None
    """Through a relay, on both sides of it: what may flow at the most."""
    demand_wh: dict[str, Figure] = field(default_factory=dict)
    cold: Figure | None = None
    air: Figure | None = None
    """Round the inverter, on the hottest day."""


def inverter_loads(ctx: Context) -> list[InverterLoad]:
    """Mains loads for the inverter: light ones together; each heavy one alone on top of them. Where there is a hook-up every night, those used away from it."""
    ac = [(a, a.running_w) for a in ctx.design.life.appliances if a.supply == "ac" and a.count > 0 and (a.away or not ctx.hooked)]
    light = sum(p * a.count for a, p in ac if p < HEAVY_W)
    out = []
    for a, p in ac:
        if p < HEAVY_W:
            out.append(InverterLoad.trusted(id=a.id, power_w=p, count=a.count, start_multiple=a.start_multiple, pure_sine=a.pure_sine))
        else:
            out.append(InverterLoad.trusted(id=a.id, power_w=p + light, start_power_w=p * a.start_multiple + light, coincident=False, pure_sine=a.pure_sine))
    return out


def _bank_of(ctx: Context, s: Supply, b: Bank, worst_peak: LoadBudgetOut) -> None:
    """The bank, and what of it can be used when it is new and when it is worn."""
    s.bank = banks.bank_configure(
        banks.BankConfigureIn.trusted(
            chemistry=b.chemistry,
            unit_voltage_v=b.unit_voltage_v,
            unit_charge_ah=b.unit_charge_ah,
            series_count=b.series_count,
            parallel_count=b.parallel_count,
            unit_max_discharge_a=b.unit_max_discharge_a,
            unit_max_charge_a=b.unit_max_charge_a,
            unit_mass_kg=b.unit_mass_kg,
            unit_resistance_mohm=b.unit_resistance_mohm,
            wiring=b.wiring,
            system_voltage_v=ctx.system_v,
            load_current_a=worst_peak.peak_current_a,
        ),
        {"unit_charge_ah": given("unit_charge_ah", b.unit_charge_ah, "typed", b.name)},
    )
    f_t = given("temp_factor_frac", capacity_factor(b.chemistry, s.cold.value if s.cold else 10), "table", says("capacity-at-coldest-cells"))
    new = banks.usable_new(
        s.bank.figure("charge_ah"),
        s.bank.figure("voltage_v"),
        given("usable_frac", ctx.usable_frac, "typed" if b.usable_frac is not None else "table", says("normal-depth-discharge", chem_name=ctx.chem.name)),
        f_t,
        1.0,
    )
    s.usable_wh = banks.usable_old(new, given("end_of_life_frac", 0.8, "default", says("bank-called-worn-at")))


def _inverter_of(ctx: Context, s: Supply, inv: Inverter, loads: list[InverterLoad]) -> None:
    """The inverter beside its loads, and what it draws from the bank."""
    eff = inv.efficiency_frac or 0.88
    if loads:
        ratio = min(6.0, max(1.0, (inv.surge_power_w or 2 * inv.rating_w) / inv.rating_w))
        s.size = inverter_size(
            InverterSizeIn.trusted(
                region=ctx.region.key,
                loads=loads,
                surge_ratio=ratio,
                efficiency_frac=eff,
                idle_w=inv.idle_w,
                ambient_temp_c=min(70.0, s.air.value if s.air else 25.0),
            ),
            {"ambient_temp_c": s.air} if s.air else None,
        )
    feed = next(iter(ctx.design.circuits_of("inverter")), None)
    s.feed = inverter_dc_current(
        InverterDcCurrentIn.trusted(
            ac_power_w=inv.rating_w,
            system_voltage_v=ctx.system_v,
            efficiency_frac=eff,
            surge_power_w=max(inv.rating_w, inv.surge_power_w or 2 * inv.rating_w),
            existing_breaker_a=feed.fuse_a if feed and feed.protection == "breaker" else None,
            existing_fuse_a=feed.fuse_a if feed and feed.protection == "fuse" else None,
        ),
        {
            "ac_power_w": given("ac_power_w", inv.rating_w, "typed", inv.name),
            "efficiency_frac": given(
                "efficiency_frac",
                eff,
                "typed" if inv.efficiency_frac else "default",
                says("from-data-sheet") if inv.efficiency_frac else says("at-full-load-typical"),
            ),
        },
    )


def _driving_of(ctx: Context, s: Supply, d: DrivingCharge) -> None:
    """What driving brings: by a second alternator, through a DC-DC charger or a relay."""
    if d.school == "second" and s.bank is not None:
        amps = second_alternator_a(ctx)
        s.drive_wh = driven_energy(
            amps, given("bank_voltage_v", ctx.bank_v, "computed", "cells × cell voltage", source=Method("power.balance")), ctx.figure("/life/drive_h_per_day")
        )
    elif s.bank is not None and ctx.alternator_a > 0 and not (d.school == "relay" and ctx.vehicle_system_v != ctx.system_v):
        relay = d.school == "relay"
        ways = [c for c in ctx.design.circuits_of("driving_in", *(("driving",) if relay else ())) if c.length_m and c.sized]
        cable = ways[0] if ways else None
        length, area = (cable.length_m or 0.0, cable.metal_mm2 * cable.parallel_count) if cable else (0.0, None)
        beyond = sum(2 * (c.length_m or 0.0) * RHO_60C / (c.metal_mm2 * c.parallel_count) for c in ways[1:])
        s.driving = dcdc_size(
            DcdcSizeIn.trusted(
                school="relay" if relay else "dcdc",
                chemistry=ctx.chem.key,
                capacity_ah=s.bank.charge_ah,
                system_voltage_v=ctx.system_v,
                max_charge_a=s.bank.max_charge_a,
                alternator_rated_a=ctx.alternator_a,
                alternator_system_v=ctx.vehicle_system_v,
                smart_alternator=ctx.smart,
                drive_h=ctx.drive_h,
                ratings_a=[d.rating_a],
                cable_length_m=length,
                cable_area_mm2=area,
                extra_resistance_mohm=1000 * beyond,
            ),
            {"alternator_rated_a": ctx.figure("/vehicle/alternator_rated_a"), "drive_h": ctx.figure("/life/drive_h_per_day")},
        )
        if s.driving.energy_per_drive_wh is not None:
            s.drive_wh = s.driving.figure("energy_per_drive_wh")
        elif relay and s.driving.relay_current_a is not None:
            s.path_a, s.drive_wh = _through_relay(ctx, s.driving, s.bank, length, area, beyond)


def _shore_of(ctx: Context, s: Supply, sh: Shore, bank: banks.BankConfigureOut) -> None:
    """Charging from a hook-up."""
    s.shore = shore_charge_time(
        ShoreChargeTimeIn.trusted(
            chemistry=ctx.chem.key,
            capacity_ah=bank.charge_ah,
            system_voltage_v=ctx.system_v,
            region=ctx.region.key,
            charger_current_a=sh.charger_current_a,
            max_charge_a=bank.max_charge_a,
            inlet_current_a=sh.inlet_current_a,
            supply_current_a=sh.supply_current_a,
            bank_temp_c=20,
        ),
        {"charger_current_a": given("charger_current_a", sh.charger_current_a, "typed", sh.name)},
    )


def work_out(ctx: Context, uses: dict[str, LoadBudgetOut]) -> Supply:
    """Run the calculators on what the design holds."""
    p = ctx.design.power
    s = Supply(cold=ctx.bank_cold())
    worst_peak = max(uses.values(), key=lambda u: u.peak_current_a)
    if p.bank is not None:
        _bank_of(ctx, s, p.bank, worst_peak)
    for season in SEASONS:
        s.solar_wh[season] = solar_of(ctx, season)
        s.demand_wh[season] = demand(uses[season].figure("design_energy_wh"), given("round_trip_frac", ctx.chem.round_trip, "table", ctx.chem.name))
    cold = ctx.record_cold()
    s.strings = [Strings(c, arrays, solar_string(string_input(ctx, arrays, c), {"min_temp_c": cold})) for c, arrays in on_controllers(p)]
    s.air = inverter_air(ctx)
    loads = inverter_loads(ctx)
    if p.inverter is not None:
        _inverter_of(ctx, s, p.inverter, loads)
    if p.driving is not None:
        _driving_of(ctx, s, p.driving)
    if p.shore is not None and s.bank is not None:
        _shore_of(ctx, s, p.shore, s.bank)
    return s
