"""Rules of sources and voltages: what charges at all, what a relay joins, appliances made for another voltage, waves, generator and roof."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Maker, Method
from bothy.core.power.panels import array_power, on_controllers
from bothy.core.power.part import PowerPart
from bothy.core.power.supply import Supply

rules(
    "power",
    (
        ("power-relay-voltage", "danger", Method("power.relay", "Ohm’s law")),
        (
            "power-relay-small",
            "fault",
            Method("power.relay") + Maker(),
        ),
        (
            "power-driving-no-alternator",
            "fault",
            Method("power.driving-charge", "definition"),
        ),
        (
            "power-dcdc-no-ignition",
            "fault",
            Method("power.driving-charge") + Maker(),
        ),
        (
            "power-appliance-voltage",
            "danger",
            Method("power.load-budget") + Maker(),
        ),
        (
            "power-mains-no-source",
            "fault",
            Method("power.load-budget", "definition"),
        ),
        (
            "power-bank-unfed",
            "fault",
            Method("power.balance", "energy balance"),
        ),
        (
            "power-loads-unfed",
            "note",
            Method("power.balance", "definition"),
        ),
        (
            "power-modified-sine-motor",
            "advice",
            Method("power.inverter-size", "motor heating by harmonics"),
        ),
        (
            "power-charger-generator",
            "advice",
            Method("power.shore-charge") + Maker(),
        ),
        (
            "power-array-roof",
            "advice",
            Method("power.strings", "area of the roof"),
        ),
        (
            "power-panels-unlike",
            "advice",
            Method("power.strings", "one operating point a controller"),
        ),
    ),
)

SYSTEMS = {12: (9.0, 16.0), 24: (18.0, 32.0), 48: (36.0, 62.0)}
"""Label voltages that belong to a system."""


def made_for(volts: float) -> int | None:
    """The system that a label voltage belongs to; None for one that is neither (5 V, 19 V)."""
    return next((v for v, (low, high) in SYSTEMS.items() if low <= volts <= high), None)


def source_findings(ctx: Context, s: Supply, part: PowerPart) -> list[Finding]:
    """Sources, what they join, and what has none."""
    return [*_driving(ctx, s), *_voltages(ctx), *_nothing(ctx), *_others(ctx, part)]


def _driving(ctx: Context, s: Supply) -> list[Finding]:
    d = ctx.design.power.driving
    if d is None:
        return []
    out: list[Finding] = []
    if d.school != "second" and ctx.alternator_a <= 0:
        out.append(finding("power-driving-no-alternator", "driving", d.name, f"A {ctx.preset.name} has no alternator of its own, and none is entered."))
    bank = ctx.design.power.bank
    bank_v = bank.unit_voltage_v * bank.series_count if bank is not None else float(ctx.system_v)
    if d.school == "relay" and not 0.75 < ctx.vehicle_system_v / bank_v < 1.33:
        out.append(
            finding(
                "power-relay-voltage",
                "driving",
                d.name,
                f"The vehicle has {ctx.vehicle_system_v} V, the battery bank {bank_v:g} V: closed, the relay drives hundreds of amps into one of them.",
                fix=Remedy.sets("Use a DC-DC charger", "/power/driving", school="dcdc", part=None, rating_a=min(d.rating_a, 30.0)),
            )
        )
    if s.path_a is not None and s.path_a.value > d.rating_a + EPS:
        ctx.book.put("power/driving/path_a", s.path_a)
        out.append(
            finding(
                "power-relay-small",
                "driving",
                d.name,
                f"Up to {s.path_a.value:.0f} A may flow through a relay that is made for {d.rating_a:.0f} A.",
                figures=["power/driving/path_a"],
            )
        )
    if d.school == "dcdc" and d.sense == "voltage" and ctx.smart and ctx.alternator_a > 0:
        out.append(
            finding(
                "power-dcdc-no-ignition",
                "driving",
                d.name,
                (
                    "The charger starts by the voltage that it sees. A smart alternator lets that fall while driving: the charger stops, or empties the "
                    "starter battery."
                ),
                fix=Remedy.sets("Switch it by the ignition", "/power/driving", sense="ignition"),
            )
        )
    return out


def _voltages(ctx: Context) -> list[Finding]:
    out: list[Finding] = []
    for a in ctx.design.life.appliances:
        label = made_for(a.voltage_v) if a.voltage_v is not None and a.supply == "dc" and a.count > 0 else None
        if label is not None and label != ctx.system_v:
            harm = "it burns out" if label < ctx.system_v else "it does not run"
            i = ctx.design.life.appliances.index(a)
            out.append(
                finding(
                    "power-appliance-voltage",
                    a.id,
                    a.name,
                    f"The appliance is made for {label} V and is connected straight to {ctx.system_v} V: {harm}.",
                    fix=Remedy.sets("Feed it through a converter", f"/life/appliances/{i}", a.id, supply="converter") if label < ctx.system_v else None,
                )
            )
    return out


def _nothing(ctx: Context) -> list[Finding]:
    p, life = ctx.design.power, ctx.design.life
    used = [a for a in life.appliances if a.count > 0 and a.running_w > 0]
    out: list[Finding] = []
    ac = [a.name for a in used if a.supply == "ac"]
    station = p.bank is not None and p.bank.station is not None and p.bank.station.inverter_limit_w > 0
    if ac and p.inverter is None and p.shore is None and not station and (p.bank is not None or ctx.design.wiring.circuits):
        out.append(finding("power-mains-no-source", "inverter", "Mains", f"Nothing makes mains for {', '.join(ac[:4])}{' and more' if len(ac) > 4 else ''}."))
    fed = (
        p.arrays
        or p.driving
        or p.shore
        or p.generator
        or (p.bank is not None and p.bank.station is not None and (p.bank.station.shore_input_w or p.bank.station.car_input_w))
    )
    if p.bank is not None and used and not fed:
        out.append(finding("power-bank-unfed", "bank", p.bank.name, "Neither sun nor engine nor hook-up charges the bank: once empty it stays empty."))
    if p.bank is None and used:
        out.append(
            finding(
                "power-loads-unfed",
                "bank",
                "Battery",
                f"There is no battery for {len(used)} appliance{'s that use' if len(used) > 1 else ' that uses'} electricity.",
                severity="fault" if ctx.design.wiring.circuits else None,
            )
        )
    return out


def _others(ctx: Context, part: PowerPart) -> list[Finding]:
    p = ctx.design.power
    out: list[Finding] = []
    if p.inverter is not None and not p.inverter.pure_sine:
        motors = [
            a.name
            for a in ctx.design.life.appliances
            if a.supply == "ac"
            and a.count > 0
            and not a.pure_sine
            and (a.electrical == "motor" or a.start_multiple >= 2 or a.kind in ("cooling", "pump", "fan"))
        ]
        if motors:
            out.append(
                finding(
                    "power-modified-sine-motor",
                    "inverter",
                    p.inverter.name,
                    f"These have motors, which run hot on a modified sine wave: {', '.join(motors[:5])}.",
                )
            )
    inlet = next((h for h in part.headrooms if h.key == "inlet"), None)
    if p.generator is not None and p.shore is not None and inlet is not None and inlet.need > p.generator.rating_w + EPS:
        out.append(
            finding(
                "power-charger-generator",
                "generator",
                p.generator.name,
                f"The charger takes {inlet.need:,.0f} W; the generator gives {p.generator.rating_w:,.0f} W.",
                figures=["power/inlet/need"],
            )
        )
    roof = next((h for h in part.headrooms if h.key == "roof"), None)
    if roof is not None and roof.need > roof.have + EPS:
        out.append(
            finding(
                "power-array-roof",
                "solar",
                "Solar",
                f"The panels take about {roof.need:.1f} m²; about {roof.have:.1f} m² of the roof are free.",
                figures=["power/roof/need", "power/roof/have"],
            )
        )
    for _, arrays in on_controllers(p):
        kinds = {(round(a.vmp_v * a.series_count), a.mounting == "glued", a.tilt_deg, a.azimuth_deg if a.tilt_deg else None, a.deploy) for a in arrays}
        if len(kinds) > 1:
            watts = " and ".join(f"{array_power(a):.0f} W “{a.name}”" for a in arrays[:3])
            out.append(
                finding(
                    "power-panels-unlike",
                    f"array:{arrays[0].id}",
                    "Solar",
                    f"One controller has {watts}; it can work only one of them at its best.",
                    related=[f"array:{a.id}" for a in arrays],
                )
            )
    return out
