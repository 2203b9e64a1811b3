"""Rules of sources and voltages: what charges at all, what a relay joins, appliances made for another voltage, waves, generator and roof."""

from __future__ import annotations

import re
from typing import Any

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.design.life import Appliance
from bothy.core.finding import Finding, Remedy, finding, rules
from bothy.core.method.sources import Maker, Method
from bothy.core.power.panels import array_power, on_controllers
from bothy.core.power.part import PowerPart
from bothy.core.power.supply import Supply
from bothy.core.words.says import power_says as says

rules(
    "power",
    (
        ("power-relay-voltage", "danger", Method("power.relay", "Ohm’s law")),
        ("power-dcdc-converts", "advice", Method("power.driving-charge") + Maker()),
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
        ("power-appliance-voltage-unsaid", "question", Method("power.load-budget", "label voltage")),
    ),
)

SYSTEMS = {12: (9.0, 16.0), 24: (18.0, 32.0), 48: (36.0, 62.0)}
"""Label voltages that belong to a system."""


def made_for(volts: float) -> int | None:
    """The system that a label voltage belongs to; None for one that is neither (5 V, 19 V)."""
    return next((v for v, (low, high) in SYSTEMS.items() if low <= volts <= high), None)


MAINS = ((90.0, 150.0, 120), (190.0, 260.0, 230))
"""Label voltages that belong to the mains of a region: from, to, and what they are called."""


def _of_mains(ctx: Context, a: Appliance) -> Finding | None:
    """A mains appliance made for another mains voltage; in split-phase supply both stand."""
    label = next((v for low, high, v in MAINS if a.voltage_v is not None and low <= a.voltage_v <= high), None)
    mains = next(v for low, high, v in MAINS if low <= ctx.region.mains_v <= high)
    shore = ctx.design.power.shore
    if label is None or label == mains or (label > mains and shore is not None and shore.legs == 2):
        return None
    text = says("mains-appliance-made-for", label_v=label, mains_v=ctx.region.mains_v, harm=says("burns-out") if label < mains else says("does-not-run"))
    return finding("power-appliance-voltage", a.id, a.name, text, severity="danger" if label < mains else "fault")


def source_findings(ctx: Context, s: Supply, part: PowerPart) -> list[Finding]:
    """Sources, what they join, and what has none."""
    return [*_driving(ctx, s), *_voltages(ctx), *_unsaid(ctx), *_nothing(ctx), *_others(ctx, part)]


def _driving(ctx: Context, s: Supply) -> list[Finding]:
    d = ctx.design.power.driving
    if d is None:
        return []
    out: list[Finding] = []
    if d.school != "second" and ctx.alternator_a <= 0:
        out.append(finding("power-driving-no-alternator", "driving", d.name, says("has-no-alternator-own", preset_name=ctx.preset.name)))
    bank = ctx.design.power.bank
    bank_v = bank.unit_voltage_v * bank.series_count if bank is not None else float(ctx.system_v)
    if d.school == "relay" and not 0.75 < ctx.vehicle_system_v / bank_v < 1.33:
        out.append(
            finding(
                "power-relay-voltage",
                "driving",
                d.name,
                says("vehicle-has-battery-bank", vehicle_system_v=ctx.vehicle_system_v, bank_v=bank_v),
                fix=Remedy.sets(says("use-dc-dc-charger"), "/power/driving", school="dcdc", part=None, rating_a=min(d.rating_a, 30.0)),
            )
        )
    if d.school == "dcdc" and not 0.75 < ctx.vehicle_system_v / bank_v < 1.33:
        told = says("charger-must-convert", vehicle_system_v=ctx.vehicle_system_v, bank_v=bank_v)
        out.append(finding("power-dcdc-converts", "driving", d.name, told))
    if s.path_a is not None and s.path_a.value > d.rating_a + EPS:
        ctx.book.put("power/driving/path_a", s.path_a)
        out.append(
            finding(
                "power-relay-small",
                "driving",
                d.name,
                says("up-to-may-flow", path_a=s.path_a.value, rating_a=d.rating_a),
                figures=["power/driving/path_a"],
            )
        )
    if d.school == "dcdc" and d.sense == "voltage" and ctx.smart and ctx.alternator_a > 0:
        out.append(
            finding(
                "power-dcdc-no-ignition",
                "driving",
                d.name,
                (says("charger-starts-by-voltage")),
                fix=Remedy.sets(says("switch-by-ignition"), "/power/driving", sense="ignition"),
            )
        )
    return out


def _voltages(ctx: Context) -> list[Finding]:
    out: list[Finding] = []
    for a in ctx.design.life.appliances:
        if a.supply == "ac" and a.count > 0 and (odd := _of_mains(ctx, a)) is not None:
            out.append(odd)
        label = made_for(a.voltage_v) if a.voltage_v is not None and a.supply == "dc" and a.count > 0 else None
        if label is not None and label != ctx.system_v:
            harm = says("burns-out") if label < ctx.system_v else says("does-not-run")
            i = ctx.design.life.appliances.index(a)
            out.append(
                finding(
                    "power-appliance-voltage",
                    a.id,
                    a.name,
                    says("appliance-made-for-and", label_v=label, system_v=ctx.system_v, harm=harm),
                    fix=Remedy.sets(says("feed-through-converter"), f"/life/appliances/{i}", a.id, supply="converter") if label < ctx.system_v else None,
                )
            )
    return out


FOR_BOTH = re.compile(r"\b12\s*(?:V\s*)?(?:/|to|or|–|-)\s*24\b|\b24\s*(?:V\s*)?(?:/|or)\s*12\b")
"""Names that say that a thing runs on either."""


def _unsaid(ctx: Context) -> list[Finding]:
    """On a system that isn't the usual one: what is connected straight to it, and for which voltage nobody said that it is made."""
    if ctx.system_v == 12 or ctx.design.power.bank is None:
        return []
    either = ctx.system_v == 24
    asked = [
        (i, a)
        for i, a in enumerate(ctx.design.life.appliances)
        if a.supply == "dc" and a.count > 0 and a.voltage_v is None and a.by != "proposal" and a.running_w > 0 and not (either and FOR_BOTH.search(a.name))
    ]
    if not asked:
        return []

    def answer(label: str, **values: Any) -> Remedy:
        return Remedy(label=label, patch=[op for i, a in asked for op in Remedy.sets("", f"/life/appliances/{i}", a.id, **values).patch])

    names = [a.name for _, a in asked]
    return [
        finding(
            "power-appliance-voltage-unsaid",
            "appliances",
            says("appliances"),
            says("made-for-twelve-burn", system_v=ctx.system_v, names=", ".join(names[:4]), names_more=len(names) > 4),
            related=[a.id for _, a in asked],
            answers=[
                answer(says("all-made-for", system_v=ctx.system_v), voltage_v=float(ctx.system_v)),
                answer(says("all-through-converter"), supply="converter"),
            ],
        )
    ]


def _nothing(ctx: Context) -> list[Finding]:
    p, life = ctx.design.power, ctx.design.life
    used = [a for a in life.appliances if a.count > 0 and a.running_w > 0]
    out: list[Finding] = []
    ac = [a.name for a in used if a.supply == "ac"]
    station = p.bank is not None and p.bank.station is not None and p.bank.station.inverter_limit_w > 0
    if ac and p.inverter is None and p.shore is None and not station and (p.bank is not None or ctx.design.wiring.circuits):
        out.append(
            finding("power-mains-no-source", "inverter", says("mains"), says("nothing-makes-mains-for", ac=", ".join(ac[:4]), ac_count_over=len(ac) > 4))
        )
    fed = (
        p.arrays
        or p.driving
        or p.shore
        or p.generator
        or (p.bank is not None and p.bank.station is not None and (p.bank.station.shore_input_w or p.bank.station.car_input_w))
    )
    if p.bank is not None and used and not fed:
        out.append(finding("power-bank-unfed", "bank", p.bank.name, says("neither-sun-nor-engine")))
    if p.bank is None and used:
        out.append(
            finding(
                "power-loads-unfed",
                "bank",
                says("battery"),
                says("there-no-battery-for", used_count=len(used)),
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
                    says("these-have-motors-which", motors=", ".join(motors[:5])),
                )
            )
    inlet = next((h for h in part.headrooms if h.key == "inlet"), None)
    if p.generator is not None and p.shore is not None and inlet is not None and inlet.need > p.generator.rating_w + EPS:
        out.append(
            finding(
                "power-charger-generator",
                "generator",
                p.generator.name,
                says("charger-takes-generator-gives", need_w=inlet.need, rating_w=p.generator.rating_w),
                figures=["power/inlet/need"],
            )
        )
    roof = next((h for h in part.headrooms if h.key == "roof"), None)
    if roof is not None and roof.need > roof.have + EPS:
        out.append(
            finding(
                "power-array-roof",
                "solar",
                says("solar"),
                says("panels-take-about-about", need_m2=roof.need, have_m2=roof.have),
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
                    says("solar"),
                    says("one-controller-has-can", watts=watts),
                    related=[f"array:{a.id}" for a in arrays],
                )
            )
    return out
