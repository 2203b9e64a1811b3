"""Power's part of the report: the balance of each season, need against have, and what the supply weighs (method power.balance)."""

from __future__ import annotations

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.figure import Figure, formula, given, pick, total
from bothy.core.method.sources import Method
from bothy.core.power.around import DERATE_FROM_C, rating_left
from bothy.core.power.chemistry import charge_rate
from bothy.core.power.generator import full_per_h
from bothy.core.power.load_budget import SEASONS, LoadBudgetOut, load_power_and_time
from bothy.core.power.panels import array_day, array_power, controller_of
from bothy.core.power.supply import ROOF_SHARE, W_PER_M2, Supply
from bothy.core.words.says import power_says as says


class SeasonBalance(BaseModel):
    """Need against have of one season, per day in Wh; ``days`` from full to empty with the usual driving, ``standing_days``
    without any (None: it never empties)."""

    season: str
    planned: bool
    demand_wh: float
    solar_wh: float
    drive_wh: float
    supply_wh: float
    balance_wh: float
    cover_frac: float
    days: float | None
    standing_days: float | None


class Headroom(BaseModel):
    """A capacity: what is needed of what there is. ``figure`` keys open the working of both."""

    key: str
    label: str
    need: float
    have: float
    unit: str
    margin_frac: float
    headroom_frac: float
    figures: list[str]


class ArrayPart(BaseModel):
    """An array: the controller that it is on, and what it gives on a mean day of each season's worst planned month, in Wh."""

    controller: str | None
    solar_wh: dict[str, float]


class PowerPart(BaseModel):
    """What the supply gives and what limits it. ``limits`` names the headroom with the least left."""

    has: list[str]
    seasons: list[SeasonBalance]
    headrooms: list[Headroom]
    limits: str | None
    limits_text: str
    mass_kg: float
    arrays: dict[str, ArrayPart]
    summary: dict[str, float | None]


@formula(says("balance-per-day"), "supply − demand", unit="Wh", source=Method("power.balance"))
def balance(supply_wh: float, demand_wh: float) -> float:
    return supply_wh - demand_wh


@formula(says("days-full-empty"), "usable/(demand − supply)", unit="days", source=Method("power.balance"))
def days_left(usable_wh: float, demand_wh: float, supply_wh: float) -> float:
    return usable_wh / (demand_wh - supply_wh)


@formula(says("energy-stay-takes-bank"), "nights·(demand − supply)", unit="Wh", source=Method("power.bank-size"))
def stay_need(nights: float, demand_wh: float, supply_wh: float) -> float:
    return nights * max(0.0, demand_wh - supply_wh)


def _headroom(ctx: Context, key: str, label: str, need: Figure, have: Figure, unit: str, margin: float) -> Headroom:
    ctx.book.put(f"power/{key}/need", need)
    ctx.book.put(f"power/{key}/have", have)
    left = 1 - need.value / have.value if have.value > 0 else -1.0
    return Headroom(
        key=key,
        label=label,
        need=need.value,
        have=have.value,
        unit=unit,
        margin_frac=margin,
        headroom_frac=left,
        figures=[f"power/{key}/need", f"power/{key}/have"],
    )


CUT_H, DRIVE_H = 6.0, 4.0
"""A power cut, and a drive between hook-ups, that the bank of a vehicle carries which is hooked up every night (typical)."""


def cut_need(ctx: Context) -> Figure:
    """Energy that the bank of a vehicle on a hook-up must hold: what runs on direct current through a drive and a power cut, but for comfort."""
    parts = []
    hours = CUT_H + max(DRIVE_H, ctx.drive_h)
    for a in ctx.design.life.appliances:
        if a.supply != "ac" and a.count > 0 and a.rank <= 2:
            power, base_h = load_power_and_time(a.load)
            parts.append(
                (
                    a.name,
                    given(
                        "energy_wh",
                        a.count * power * min(24.0, base_h) / 24 * hours / a.adapter_frac,
                        "computed",
                        says("mean-through", hours_h=hours),
                        source=Method("power.balance"),
                    ),
                )
            )
    return total(
        says("energy-asked-bank"), "Wh", parts, Method("power.bank-size", f"a drive of {hours - CUT_H:g} h and a power cut of {CUT_H:g} h, without comfort")
    )


def counted_wh(ctx: Context, b: SeasonBalance) -> float:
    """What comes in on a day between hook-ups: the sun, and driving where it is said to be daily."""
    return b.supply_wh if ctx.drive_daily else b.solar_wh


def headrooms(ctx: Context, s: Supply, uses: dict[str, LoadBudgetOut], balances: list[SeasonBalance]) -> list[Headroom]:
    """Need against have of every capacity."""
    return [*_bank_rooms(ctx, s, uses, balances), *_inverter_rooms(ctx, s), *_panel_rooms(ctx, s), *_charge_rooms(ctx, s)]


def _bank_rooms(ctx: Context, s: Supply, uses: dict[str, LoadBudgetOut], balances: list[SeasonBalance]) -> list[Headroom]:
    out: list[Headroom] = []
    if s.bank and s.usable_wh:
        worst = max((b for b in balances if b.planned), key=lambda b: b.demand_wh - counted_wh(ctx, b))
        supply = given(
            "supply_wh",
            counted_wh(ctx, worst),
            "computed",
            says("sun-and-driving", drive_daily=bool(ctx.drive_daily), season=worst.season),
            source=Method("power.balance"),
        )
        need = (
            cut_need(ctx)
            if ctx.hooked
            else pick(
                says("energy-asked-bank"),
                says("larger-one-and-stay"),
                max(s.demand_wh[worst.season].value, stay_need.raw(ctx.nights, worst.demand_wh, supply.value)),
                "Wh",
                Method("power.bank-size", "the bank must carry a day even if tomorrow is sunny"),
                one_day_wh=s.demand_wh[worst.season],
                stay_wh=stay_need(ctx.figure("/life/nights_between_hookups"), s.demand_wh[worst.season], supply),
            )
        )
        out.append(_headroom(ctx, "bank_energy", says("bank-energy-worn-and"), need, s.usable_wh, "Wh", 0.0))
        season = max(uses, key=lambda k: uses[k].peak_current_a)
        out.append(_headroom(ctx, "bank_current", says("bank-current"), uses[season].figure("peak_current_a"), s.bank.figure("max_discharge_a"), "A", 0.0))
    return out


def _inverter_rooms(ctx: Context, s: Supply) -> list[Headroom]:
    p = ctx.design.power
    out: list[Headroom] = []
    if p.inverter and s.size:
        have = given("rating_w", p.inverter.rating_w, "typed", p.inverter.name, label=says("inverter-rating-2"))
        if s.air is not None and s.air.value > DERATE_FROM_C:
            have = rating_left(have, s.air)
        out.append(
            _headroom(
                ctx,
                "inverter",
                says("inverter-running"),
                given("power_w", s.size.coincident_power_w, "computed", says("light-mains-loads-together"), source=Method("power.balance")),
                have,
                "W",
                0.25,
            )
        )
        surge = given(
            "surge_power_w",
            p.inverter.surge_power_w or 2 * p.inverter.rating_w,
            "typed" if p.inverter.surge_power_w else "assumed",
            says("twice-rating-typical"),
            label=says("short-time-rating"),
        )
        out.append(
            _headroom(
                ctx,
                "inverter_surge",
                says("inverter-starting"),
                given("start_power_w", s.size.start_power_w, "computed", says("hardest-start-on-top"), source=Method("power.balance")),
                surge,
                "W",
                0.0,
            )
        )
    if s.feed and (s.feed.protection_ratio_frac is not None):
        feed = ctx.design.circuits_of("inverter")[0]
        have = given("rating_a", feed.fuse_a or 0, "typed", feed.name, label=says("inverter", protection=feed.protection))
        out.append(_headroom(ctx, "inverter_protection", says("inverter", protection=feed.protection), s.feed.figure("dc_current_a"), have, "A", 0.2))
    return out


def _panel_rooms(ctx: Context, s: Supply) -> list[Headroom]:
    p = ctx.design.power
    out: list[Headroom] = []
    for x in s.strings:
        have = given("max_voltage_v", x.controller.max_voltage_v, "typed", x.controller.name, label=says("controllers-top-voltage"))
        out.append(_headroom(ctx, f"controller_voltage{x.key}", says("solar-voltage-on-frosty", x_label=x.label), x.out.figure("voc_cold_v"), have, "V", 0.05))
        amps = given("max_charge_current_a", x.controller.max_charge_current_a, "typed", x.controller.name, label=says("controllers-top-current"))
        out.append(
            _headroom(ctx, f"controller_current{x.key}", says("solar-charge-current", x_label=x.label), x.out.figure("uncapped_current_a"), amps, "A", 0.0)
        )
    on_roof = [a for a in p.arrays if a.deploy != "ground"]
    if on_roof:
        roof = given(
            "roof_m2",
            ROOF_SHARE * ctx.inside_length_m * ctx.inside_width_m,
            "assumed",
            f"{ROOF_SHARE:.0%} of the inside length × width; the roof plan of Layout says what really fits",
            label=says("roof-for-panels"),
        )
        area = given("panel_m2", sum(array_power(a) for a in on_roof) / W_PER_M2, "assumed", says("about-on-square-metre"), label=says("panel-area"))
        out.append(_headroom(ctx, "roof", says("roof-area"), area, roof, "m²", 0.0))
    return out


def _charge_rooms(ctx: Context, s: Supply) -> list[Headroom]:
    p = ctx.design.power
    out: list[Headroom] = []
    if s.driving and s.driving.input_current_a is not None:
        out.append(
            _headroom(
                ctx, "alternator", says("alternators-spare-current"), s.driving.figure("input_current_a"), s.driving.figure("available_running_a"), "A", 0.0
            )
        )
    if s.shore and s.bank and p.shore:
        amps = given("charger_current_a", p.shore.charger_current_a, "typed", p.shore.name, label=says("chargers-current"))
        out.append(_headroom(ctx, "charger", says("shore-charger-on-bank"), amps, s.bank.figure("max_charge_a"), "A", 0.0))
        if s.shore.charger_ac_power_w is not None:
            watts = given("charger_ac_power_w", s.shore.charger_ac_power_w, "computed", says("chargers-input-at-full"), source=Method("power.balance"))
            out.append(_headroom(ctx, "inlet", says("shore-inlet"), watts, s.shore.figure("supply_limit_w"), "W", 0.2))
    return out


def supply_mass(ctx: Context) -> Figure:
    """Mass of the chosen supply and appliances in kg, for the payload."""
    p = ctx.design.power
    parts: list[tuple[str, Figure]] = []

    def add(name: str, kg: float | None) -> None:
        if kg:
            parts.append((name, given("mass_kg", kg, "catalogue", name, label=name)))

    if p.bank:
        unit = p.bank.unit_mass_kg or ctx.chem.kg_per_kwh * p.bank.unit_voltage_v * p.bank.unit_charge_ah / 1000
        add(p.bank.name, unit * p.bank.series_count * p.bank.parallel_count)
    for item in (p.inverter, p.controller, p.driving, p.shore, p.generator, *(a.controller for a in p.arrays)):
        if item is not None:
            add(item.name, item.mass_kg)
    for a in p.arrays:
        add(a.name, (a.unit_mass_kg or a.panel_power_w * 0.057) * a.series_count * a.parallel_count)
    for x in ctx.design.life.appliances:
        add(x.name, (x.mass_kg or 0) * x.count)
    return total(says("mass-what-chosen-so"), "kg", parts, Method("power.balance", "sum; cables, furniture, water and people come with their stages"))


def power_part(ctx: Context, uses: dict[str, LoadBudgetOut], s: Supply) -> PowerPart:
    """Power's part of the report; puts its figures into the book."""
    p = ctx.design.power
    zero = given("energy_wh", 0.0, "computed", says("nothing-charges-while-driving"), label=says("driving-per"), source=Method("power.balance"))
    balances: list[SeasonBalance] = []
    for season in SEASONS:
        solar, drive = s.solar_wh[season], s.drive_wh or zero
        supply = total(says("supply-per-between-hook"), "Wh", [("solar", solar), ("driving", drive)], Method("power.balance"))
        need = s.demand_wh[season]
        net = balance(supply, need)
        days = days_left(s.usable_wh, need, supply) if s.usable_wh and net.value < 0 else None
        standing = days_left(s.usable_wh, need, solar).named(says("from-full-to-empty")) if s.usable_wh and solar.value < need.value else None
        if standing:
            ctx.book.put(f"power/{season}/standing_days", standing)
        for key, fig in (("solar_wh", solar), ("drive_wh", drive), ("supply_wh", supply), ("demand_wh", need), ("balance_wh", net)):
            ctx.book.put(f"power/{season}/{key}", fig)
        if days:
            ctx.book.put(f"power/{season}/days", days)
        balances.append(
            SeasonBalance(
                season=season,
                planned=any(m in ctx.months for m in ctx.season_months(season)),
                demand_wh=need.value,
                solar_wh=solar.value,
                drive_wh=drive.value,
                supply_wh=supply.value,
                balance_wh=net.value,
                cover_frac=supply.value / need.value if need.value else 1.0,
                days=days.value if days else None,
                standing_days=standing.value if standing else None,
            )
        )
    rooms = headrooms(ctx, s, uses, balances)
    mass = ctx.book.put("power/mass_kg", supply_mass(ctx))
    for name, out in (
        ("bank", s.bank),
        *((f"string{x.key}", x.out) for x in s.strings),
        ("feed", s.feed),
        ("size", s.size),
        ("driving", s.driving),
        ("shore", s.shore),
    ):
        if out is not None:
            for key, fig in out.working.items():
                ctx.book.put(f"power/{name}/{key}", fig)
    if s.usable_wh:
        ctx.book.put("power/bank/usable_wh", s.usable_wh)
    if s.cold:
        ctx.book.put("power/bank/cold_c", s.cold)
    if p.generator is not None:
        ctx.book.put("power/generator/full_per_h", full_per_h(p.generator))
    if s.air and p.inverter:
        ctx.book.put("power/inverter/air_c", s.air)
        ctx.book.put("power/inverter/left_w", rating_left(given("rating_w", p.inverter.rating_w, "typed", p.inverter.name), s.air))
    tight = min(rooms, key=lambda h: h.headroom_frac - h.margin_frac) if rooms else None
    text = says("needs-has", tight_label=tight.label, need=tight.need, unit=tight.unit, have=tight.have) if tight else says("nothing-chosen-yet")
    has = [k for k in ("bank", "inverter", "controller", "driving", "shore") if getattr(p, k) is not None] + (["arrays"] if p.arrays else [])
    return PowerPart(
        has=has,
        seasons=balances,
        headrooms=rooms,
        limits=tight.key if tight else None,
        limits_text=text,
        mass_kg=mass.value,
        arrays={
            a.id: ArrayPart(
                controller=c.name if (c := controller_of(p, a)) else None, solar_wh={s: array_day(ctx, a, ctx.worst_month(s)).energy_wh_day for s in SEASONS}
            )
            for a in p.arrays
        },
        summary={
            "usable_wh": s.usable_wh.value if s.usable_wh else None,
            "charge_ah": s.bank.charge_ah if s.bank else None,
            "array_power_w": sum(array_power(a) for a in p.arrays) if p.arrays else None,
            "inverter_dc_a": s.feed.dc_current_a if s.feed else None,
            "shore_time_h": s.shore.time_h if s.shore else None,
            "cold_c": s.cold.value if s.cold else None,
            "charge_rate_cold": charge_rate(ctx.chem.key, s.cold.value, ctx.chem.max_charge_c) if s.cold else None,
        },
    )
