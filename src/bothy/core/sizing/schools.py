"""The other ways to build the same supply: lead or lithium, PWM or MPPT, relay or DC-DC, panels on the ground or lifted, one battery more, a
portable station; each as parts of the catalogue in the design's place."""

from __future__ import annotations

import math
from dataclasses import dataclass

from bothy.core.catalogue.parts import Part, of_kind
from bothy.core.catalogue.sheets import BatterySheet
from bothy.core.context import Context
from bothy.core.design.power import Bank, DrivingCharge, Inverter, Power, Shore, SolarArray, SolarController
from bothy.core.power.bank import cells_of_unit
from bothy.core.power.chemistry import CHEMISTRIES
from bothy.core.power.panels import array_power, controller_of, equator_deg
from bothy.core.sizing.prices import price_and_mass
from bothy.core.sun.month import PeakSunHoursIn, peak_sun_hours
from bothy.core.words.says import sizing_says as says

PANEL_12V_MAX_VMP = 24.0
LIFTED_DEG = 30.0
"""What brackets on a roof lift panels to (typical)."""


@dataclass(frozen=True)
class School:
    """One other way: what it changes, what people say for and against it, the supply that comes of it, and its price where it is not that of its parts."""

    key: str
    name: str
    risk: str
    power: Power
    price: float | None = None


def _without(ctx: Context, p: Power, *keys: str) -> float | None:
    """Price of the rest of a supply."""
    return price_and_mass(p.model_copy(update=dict.fromkeys(keys)), ctx.region.key)[0]


def _bank_of(ctx: Context, part: Part[BatterySheet], usable_ah: float) -> Bank | None:
    chem = CHEMISTRIES[part.data["chemistry"]]
    cells, unit = chem.cell_count(ctx.system_v), cells_of_unit(chem, part.data["unit_voltage_v"])
    if cells % unit:
        return None
    s = cells // unit
    n = min(chem.parallel_max, math.ceil(usable_ah / chem.usable_frac / part.data["unit_charge_ah"] - 1e-9))
    name = f"{s * n} × {part.name}" if s * n > 1 else part.name
    return Bank.model_validate(
        {
            **part.data,
            "name": name[:120],
            "part": part.key,
            "series_count": s,
            "parallel_count": max(1, n),
            "unit_mass_kg": part.mass_kg,
            "wiring": "busbar" if n > 2 else "diagonal",
        }
    )


def _other_bank(ctx: Context, bank: Bank) -> School | None:
    """Lead for lithium or lithium for lead, with the same usable charge as nearly as four strings allow."""
    now = CHEMISTRIES[bank.chemistry]
    usable = bank.unit_charge_ah * bank.parallel_count * now.usable_frac
    wanted = "agm" if now.lithium else "lifepo4"
    cold = ctx.bank_cold().value < 0
    best: tuple[float, float, Bank] | None = None
    for part in of_kind("battery", ctx.region.key):
        d = part.data
        if d["chemistry"] != wanted or (wanted == "lifepo4" and not (d["cold_charge_cutoff"] and (d["heater_power_w"] or not cold))):
            continue
        made = _bank_of(ctx, part, usable)
        if made is None:
            continue
        lacks = max(0.0, usable - made.unit_charge_ah * made.parallel_count * CHEMISTRIES[wanted].usable_frac)
        rank = (lacks, part.price * made.series_count * made.parallel_count)
        if best is None or rank < best[:2]:
            best = (*rank, made)
    if best is None:
        return None
    lead = wanted == "agm"
    risk = says("half-label-usable-fewer") if lead else says("no-charging-below-management")
    return School(
        "lead" if lead else "lithium",
        says("lead-instead-lithium") if lead else says("lithium-instead-lead"),
        risk,
        ctx.design.power.model_copy(update={"bank": best[2]}),
    )


def _pwm(ctx: Context, p: Power, c: SolarController, arrays: list[SolarArray]) -> School:
    watts = sum(array_power(a) for a in arrays)
    part = max((x for x in of_kind("controller", ctx.region.key) if x.data["controller_type"] == "pwm"), key=lambda x: x.data["max_charge_current_a"])
    one = part.data["max_charge_current_a"]
    flat = [
        a
        if a.controller is not None
        else a.model_copy(update={"series_count": 1, "parallel_count": a.series_count * a.parallel_count})
        if a.vmp_v < PANEL_12V_MAX_VMP * ctx.scale
        else a
        for a in p.arrays
    ]
    amps = sum(a.isc_a * a.parallel_count for a in flat if a.controller is None)
    n = max(1, math.ceil(amps * 1.25 / one))
    other = SolarController.model_validate(
        {**part.data, "name": f"{n} × {part.name}", "part": part.key if n == 1 else None, "max_charge_current_a": one * n, "mass_kg": part.mass_kg * n}
    )
    rest = _without(ctx, p, "controller")
    return School(
        "pwm",
        says("pwm-instead-mppt"),
        says("holds-panels-at-banks", watts_w=watts),
        p.model_copy(update={"controller": other, "arrays": flat}),
        None if rest is None else rest + n * part.price,
    )


def _mppt(ctx: Context, p: Power, arrays: list[SolarArray]) -> School | None:
    watts = sum(array_power(a) for a in arrays)
    fitting = [
        x
        for x in of_kind("controller", ctx.region.key)
        if x.data["controller_type"] == "mppt"
        and x.data["max_charge_current_a"] * 14.4 * ctx.scale * 1.25 >= watts
        and all(a.voc_v * a.series_count * 1.2 <= x.data["max_voltage_v"] for a in arrays)
    ]
    if not fitting:
        return None
    part = min(fitting, key=lambda x: x.price)
    other = SolarController.model_validate({**part.data, "name": part.name, "part": part.key, "mass_kg": part.mass_kg})
    return School("mppt", says("mppt-instead-pwm"), says("dearer-needs-string-voltage"), p.model_copy(update={"controller": other}))


def _second_bank(ctx: Context, p: Power, bank: Bank) -> School | None:
    """One more string of the same units, where so many may lie side by side."""
    if bank.parallel_count >= ctx.chem.parallel_max:
        return None
    other = bank.model_copy(update={"parallel_count": bank.parallel_count + 1})
    return School(
        "second_bank",
        says("one-battery-more"),
        says("same-make-type-and"),
        p.model_copy(update={"bank": other}),
    )


def _laid_out(ctx: Context, p: Power) -> list[School | None]:
    """The roof's flat panels on the ground at the tilt that gives the most light in the darkest planned month, or on brackets that lift them towards
    the nose."""
    flat = [a for a in p.arrays if a.deploy == "fixed" and a.tilt_deg == 0]
    if not flat or any(controller_of(p, a) is None for a in flat):
        return []
    month = min(ctx.months, key=lambda m: ctx.climate.ghi_kwh_m2_day[m - 1])
    tilt = peak_sun_hours(PeakSunHoursIn.trusted(place=ctx.climate.place, month=month, azimuth_deg=equator_deg(ctx.climate.lat_deg))).best_tilt_deg

    def laid(fields: dict[str, object]) -> Power:
        ids = {a.id for a in flat}
        return p.model_copy(update={"arrays": [a.model_copy(update=fields) if a.id in ids else a for a in p.arrays]})

    free = {"roof_radius_m": None, "mounting": "open_rack"}
    return [
        School(
            "ground",
            says("panels-on-ground", tilt=tilt),
            says("out-only-while-somebody"),
            laid({"deploy": "ground", "tilt_deg": tilt, "azimuth_deg": None, **free}),
        ),
        School(
            "lift",
            says("panels-lifted", lifted_deg=LIFTED_DEG),
            says("helps-only-where-nose"),
            laid({"deploy": "lift", "tilt_deg": LIFTED_DEG, "azimuth_deg": 0.0, **free}),
        ),
    ]


def _station(ctx: Context, p: Power) -> School | None:
    """A portable station in place of bank, inverter and chargers: the smallest whose inverter and store do, else the largest."""
    if p.bank is None or ctx.system_v != 12:
        return None
    usable = p.bank.unit_charge_ah * p.bank.parallel_count * ctx.bank_v * ctx.usable_frac
    stations = sorted(of_kind("station", ctx.region.key), key=lambda x: x.data["energy_wh"])
    wanted = [
        x for x in stations if x.data["energy_wh"] * x.data["usable_frac"] >= usable and x.data["inverter_w"] >= (p.inverter.rating_w if p.inverter else 0)
    ]
    part = wanted[0] if wanted else stations[-1]
    d = part.data
    volts = CHEMISTRIES["lifepo4"].bank_v(12)
    bank = Bank(
        name=part.name,
        part=part.key,
        chemistry="lifepo4",
        unit_voltage_v=12.8,
        unit_charge_ah=round(d["energy_wh"] / volts, 3),
        unit_max_discharge_a=200.0,
        unit_max_charge_a=max(d["solar_w"], d["shore_w"], d["car_w"]) / volts,
        unit_mass_kg=part.mass_kg,
        cold_charge_cutoff=True,
    )
    inverter = Inverter(
        name=says("stations-inverter"),
        rating_w=d["inverter_w"],
        surge_power_w=d["inverter_surge_w"],
        idle_w=d["inverter_idle_w"],
        efficiency_frac=d["inverter_efficiency_frac"],
        mass_kg=0.0,
    )
    controller = (
        SolarController(name=says("stations-solar-input"), max_voltage_v=60.0, max_charge_current_a=d["solar_w"] / volts, mass_kg=0.0) if p.arrays else None
    )
    driving = DrivingCharge(name=says("stations-vehicle-input"), rating_a=d["car_w"] / volts, mass_kg=0.0) if p.driving else None
    shore = Shore(name=says("stations-charger"), charger_current_a=d["shore_w"] / volts, mass_kg=0.0) if p.shore else None
    arrays = [a.model_copy(update={"controller": None}) for a in p.arrays]
    made = p.model_copy(update={"bank": bank, "inverter": inverter, "arrays": arrays, "controller": controller, "driving": driving, "shore": shore})
    return School(
        "station",
        says("portable-station", part_name=part.name),
        says("no-more-than-at", d_w=d["dc_limit_w"], d_w_2=d["car_w"]),
        made,
        _without(ctx, made, "inverter", "controller", "driving", "shore"),
    )


def schools_of(ctx: Context) -> list[School]:
    """The other ways that make sense for a design's supply."""
    p = ctx.design.power
    out: list[School | None] = []
    if p.bank is not None:
        out.append(_other_bank(ctx, p.bank))
        out.append(_second_bank(ctx, p, p.bank))
    shared = p.shared_arrays
    if p.controller is not None and shared:
        out.append(_pwm(ctx, p, p.controller, shared) if p.controller.controller_type == "mppt" else _mppt(ctx, p, shared))
    out += _laid_out(ctx, p)
    if p.driving is not None and p.driving.school == "dcdc":
        relay = next(x for x in of_kind("dcdc", ctx.region.key) if x.data["school"] == "relay")
        other = DrivingCharge.model_validate({**relay.data, "name": relay.name, "part": relay.key, "mass_kg": relay.mass_kg})
        out.append(
            School(
                "relay",
                says("relay-instead-dc-dc"),
                says("straight-from-alternator-unlimited"),
                p.model_copy(update={"driving": other}),
            )
        )
    elif p.driving is not None:
        fit = [x for x in of_kind("dcdc", ctx.region.key) if x.data["school"] == "dcdc" and x.data["rating_a"] <= max(18.0, 0.4 * ctx.alternator_a / ctx.scale)]
        part = max(fit, key=lambda x: x.data["rating_a"])
        made = DrivingCharge.model_validate({**part.data, "name": part.name, "part": part.key, "mass_kg": part.mass_kg})
        out.append(
            School(
                "dcdc",
                says("dc-dc-charger-instead", school_relay=p.driving.school == "relay"),
                says("dearer-limited-to-rating"),
                p.model_copy(update={"driving": made}),
            )
        )
    out.append(_station(ctx, p))
    return [s for s in out if s is not None]
