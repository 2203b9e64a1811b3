"""S0 to S3: what is looked at and measured before any power: joints, fuses, loops, polarity, mains dead, shunt."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.commissioning.source import Source, label, marks_of
from bothy.core.commissioning.step import Step, clipped
from bothy.core.design.prove import Meter
from bothy.core.design.wiring import Circuit
from bothy.core.proving.sheet import TEST_COPPER_C
from bothy.core.wiring.circuit import CircuitPart
from bothy.core.wiring.conductors import ConductorResistanceIn, conductor_resistance
from bothy.core.words.says import commissioning_says as says

TORQUE_NM = {4: 2.0, 5: 3.0, 6: 5.0, 8: 12.0, 10: 22.0, 12: 40.0}
"""Typical torque of a bolted joint by its stud in mm; data sheets win."""
BUSES_OHM, APART_MOHM, BOND_OHM = 1e3, 1.0, 0.1
EARTH_OHM = 0.05
INSULATION_MOHM = 1.0
ZERO_A = 0.1
OHMMETER = says("multimeter-ohms")


def torque(src: Source) -> str:
    """What the main joints are tightened to."""
    stud = src.ctx.design.wiring.bus_stud_mm or 8
    nm = TORQUE_NM.get(stud)
    return f"typical {nm:g} N·m on an M{stud} stud; the data sheet wins" if nm else says("to-data-sheet")


def looks(src: Source) -> Iterator[Step]:
    """S0."""
    d = src.ctx.design
    if d.power.bank is not None:
        yield Step(
            "s0-bank",
            "s0",
            says("battery-terminals-and-hold"),
            says("tighten-each-terminal-mark", torque=torque(src)),
            subject="bank",
        )
    if src.low:
        yield Step(
            "s0-buses",
            "s0",
            says("busbars-main-fuse-isolator"),
            says("tighten-every-stud-at", torque=torque(src)),
            subject="buses",
        )
    if d.power.inverter is not None and src.low:
        yield Step(
            "s0-inverter",
            "s0",
            says("inverter-leads"),
            says("same-length-crimped-with", torque=torque(src)),
            subject="inverter",
        )
    for c, p in src.low:
        fuse = says("in-holder", fuse_a=c.fuse_a) if c.fuse_a else says("as-drawn") if c.protection == "none" else says("not-chosen-yet")
        yield Step(
            clipped("s0-circuit", c.id),
            "s0",
            says("joints-fuse-label", label=label(p, c)),
            says("every-lug-crimped-and", size_text=p.size_text, fuse=fuse),
            subject=c.id,
            marks=marks_of(c, p),
        )
    for t in src.roof.things:
        if t.rect is not None:
            yield Step(
                clipped("s0-seal", t.key),
                "s0",
                says("seal-and-fixing", t_name=t.name),
                says("bead-unbroken-all-round"),
                subject=t.key,
                bars=False,
            )


def _apart(id: str, title: str, how: str, subject: str, unit: str, least: float, marks: dict[str, float] | None = None) -> Step:
    """Two conductors that may not touch: at least so much between them."""
    return Step(
        id, "s1", title, how, "value", subject, unit, low=least, instrument=OHMMETER, accuracy_frac=0.01, most=1e12, rule="test-short", marks=marks or {}
    )


def dead_low(src: Source) -> Iterator[Step]:
    """S1. Main fuse out, loads off."""
    for c, p in src.low:
        yield from _dead_circuit(src, c, p)
    if not src.low:
        return
    yield _apart("s1-buses", says("plus-busbar-to-minus"), says("main-fuse-out-every"), "buses", "Ω", BUSES_OHM)
    if src.ctx.design.wiring.chassis_bond_count:
        yield from _chassis(src.ctx.design.prove.meter)
    yield Step(
        "s1-polarity",
        "s1",
        says("polarity-at-every-end"),
        says("red-to-plus-at"),
        subject="polarity",
        rule="test-reversed",
    )


def _dead_circuit(src: Source, c: Circuit, p: CircuitPart) -> Iterator[Step]:
    """Its loop, and that its ends are apart."""
    loop = src.loops.get(c.id)
    if loop is not None:
        yield Step(
            clipped("s1-loop", c.id),
            "s1",
            says("loop", label=label(p, c)),
            says("main-fuse-out-load"),
            "record",
            c.id,
            "mΩ",
            loop.expected_mohm,
            loop.low_mohm,
            loop.high_mohm,
            instrument=says("milliohm-meter-or-drop") if not loop.resolvable else OHMMETER,
            record="loop",
            record_id=c.id,
            rule="wire-test-failed",
            marks=marks_of(c, p),
        )
    if c.return_path == "cable":
        yield _apart(clipped("s1-apart", c.id), says("ends-apart", label=label(p, c)), says("far-ends-apart-load"), c.id, "MΩ", APART_MOHM, marks_of(c, p))


def _chassis(meter: Meter) -> Iterator[Step]:
    """Apart from plus while its bond is lifted, one with minus when it is back."""
    yield _apart("s1-chassis", says("plus-busbar-to-chassis"), says("lift-chassis-bond-first"), "chassis", "MΩ", APART_MOHM)
    yield Step(
        "s1-bond",
        "s1",
        says("chassis-bond"),
        says("bond-back-on-minus"),
        "value",
        "chassis",
        "Ω",
        high=BOND_OHM,
        instrument=says("multimeter-leads-zeroed"),
        resolution=meter.loop_resolution_mohm / 1000 if meter.loop_resolution_mohm < 50 else 0.01,
        rule="test-fail",
    )


def _earth_ohm(src: Source) -> tuple[float, str]:
    """Greatest resistance of a protective conductor: the longest mains circuit's, and a joint."""
    worst = 0.0
    name = ""
    for c, p in src.mains:
        if c.area_mm2 or c.awg:
            size = {"awg": c.awg} if c.awg else {"area_mm2": c.area_mm2}
            ohm = (
                conductor_resistance(
                    ConductorResistanceIn.trusted(
                        **size, tinned=c.tinned, length_m=p.length_m, conductors_count=1, parallel_count=c.parallel_count, conductor_temp_c=TEST_COPPER_C
                    )
                ).resistance_mohm
                / 1000
            )
            if ohm > worst:
                worst, name = ohm, label(p, c)
    return worst + EARTH_OHM, name


def dead_mains(src: Source) -> Iterator[Step]:
    """S2. The licensed person's; Bothy says what to expect, never how."""
    if not src.has_mains:
        return
    yield Step(
        "s2-look",
        "s2",
        says("covers-glands-clips"),
        says("nothing-bare-every-gland"),
        subject="mains",
    )
    limit, name = _earth_ohm(src)
    yield Step(
        "s2-earth",
        "s2",
        says("protective-conductor-and-bonds"),
        says("longest-way-tester-at", name=f": {name}" if name else ""),
        "value",
        "mains",
        "Ω",
        high=limit,
        instrument=says("installation-tester"),
        accuracy_frac=0.02,
        resolution=0.01,
        digits_count=2,
        rule="test-earth-open",
    )
    yield Step(
        "s2-insulation",
        "s2",
        says("insulation-live-to-earth"),
        says("dc-with-electronics-taken"),
        "value",
        "mains",
        "MΩ",
        low=INSULATION_MOHM,
        instrument=says("installation-tester"),
        accuracy_frac=0.03,
        most=1e12,
        rule="test-insulation-low",
    )
    yield Step("s2-polarity", "s2", says("polarity-sockets-and-switches"), says("line-neutral-and-earth"), subject="mains", rule="test-ac-polarity")


def shunt(src: Source) -> Iterator[Step]:
    """S3."""
    d = src.ctx.design
    if d.power.bank is None or not d.wiring.shunt:
        return
    yield Step(
        "s3-negatives",
        "s3",
        says("every-negative-on-load"),
        says("only-batterys-own-lead"),
        subject="shunt",
        rule="test-negative-bypass",
    )
    yield Step(
        "s3-zero",
        "s3",
        says("current-with-everything-off"),
        says("monitor-on-own-fused"),
        "value",
        "shunt",
        "A",
        0.0,
        -ZERO_A,
        ZERO_A,
        instrument=says("battery-monitor"),
        resolution=0.01,
        least=-1000,
        most=1000,
        rule="test-shunt-zero",
    )
    bank = d.power.bank
    ah = bank.unit_charge_ah * bank.parallel_count
    yield Step(
        "s3-settings",
        "s3",
        says("settings-monitor"),
        says("capacity-and-charge-voltage", ah=ah),
        subject="shunt",
        marks={"capacity_ah": ah},
    )
