"""S0 to S3: what is looked at and measured before any power: joints, fuses, loops, polarity, mains dead, shunt."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.commissioning.source import Source, label, marks_of
from bothy.core.commissioning.step import Step, clipped
from bothy.core.proving.sheet import TEST_COPPER_C
from bothy.core.wiring.conductors import ConductorResistanceIn, conductor_resistance

TORQUE_NM = {4: 2.0, 5: 3.0, 6: 5.0, 8: 12.0, 10: 22.0, 12: 40.0}
"""Typical torque of a bolted joint by its stud in mm; data sheets win."""
BUSES_OHM, APART_MOHM, BOND_OHM = 1e3, 1.0, 0.1
EARTH_OHM = 0.05
INSULATION_MOHM = 1.0
ZERO_A = 0.1
OHMMETER = "multimeter, ohms"


def torque(src: Source) -> str:
    """What the main joints are tightened to."""
    stud = src.ctx.design.wiring.bus_stud_mm or 8
    nm = TORQUE_NM.get(stud)
    return f"typical {nm:g} N·m on an M{stud} stud; the data sheet wins" if nm else "to the data sheet"


def looks(src: Source) -> Iterator[Step]:
    """S0."""
    d = src.ctx.design
    if d.power.bank is not None:
        yield Step(
            "s0-bank",
            "s0",
            "Battery: terminals and hold-down",
            f"Tighten each terminal ({torque(src)}), mark it with paint. Caps on, battery strapped, vent hose led out if it has one.",
            subject="bank",
        )
    if src.low:
        yield Step(
            "s0-buses",
            "s0",
            "Busbars, main fuse, isolator",
            f"Tighten every stud ({torque(src)}), at most four lugs on one, largest at the bottom; paint mark; cover on.",
            subject="buses",
        )
    if d.power.inverter is not None and src.low:
        yield Step(
            "s0-inverter",
            "s0",
            "Inverter leads",
            f"Same length, crimped with a tool, pulled hard by hand, tightened ({torque(src)}), covered.",
            subject="inverter",
        )
    for c, p in src.low:
        fuse = f"{c.fuse_a:g} A in its holder" if c.fuse_a else "as drawn" if c.protection == "none" else "not chosen yet"
        yield Step(
            clipped("s0-circuit", c.id),
            "s0",
            f"{label(p, c)}: joints, fuse, label",
            f"{p.size_text}. Every lug crimped and pulled, grommet at each hole, clipped, label at both ends. Fuse: {fuse}.",
            subject=c.id,
            marks=marks_of(c, p),
        )
    for t in src.roof.things:
        if t.rect is not None:
            yield Step(
                clipped("s0-seal", t.key),
                "s0",
                f"{t.name}: seal and fixing",
                "Bead unbroken all round, nothing moves by hand, dry below after the hose.",
                subject=t.key,
                bars=False,
            )


def dead_low(src: Source) -> Iterator[Step]:
    """S1. Main fuse out, loads off."""
    meter = src.ctx.design.prove.meter
    for c, p in src.low:
        loop = src.loops.get(c.id)
        if loop is not None:
            yield Step(
                clipped("s1-loop", c.id),
                "s1",
                f"{label(p, c)}: loop",
                "Main fuse out, load off. Twist the far ends together, measure plus to minus at the board; then part them again.",
                "record",
                c.id,
                "mΩ",
                loop.expected_mohm,
                loop.low_mohm,
                loop.high_mohm,
                instrument="milliohm meter or drop test" if not loop.resolvable else OHMMETER,
                record="loop",
                record_id=c.id,
                rule="wire-test-failed",
                marks=marks_of(c, p),
            )
        if c.return_path == "cable":
            yield Step(
                clipped("s1-apart", c.id),
                "s1",
                f"{label(p, c)}: ends apart",
                "Far ends apart, load off: plus to minus at the board.",
                "value",
                c.id,
                "MΩ",
                low=APART_MOHM,
                instrument=OHMMETER,
                accuracy_frac=0.01,
                most=1e12,
                rule="test-short",
                marks=marks_of(c, p),
            )
    if not src.low:
        return
    yield Step(
        "s1-buses",
        "s1",
        "Plus busbar to minus busbar",
        "Main fuse out, every load off. Wait until the reading stops rising: capacitors charge from the meter.",
        "value",
        "buses",
        "Ω",
        low=BUSES_OHM,
        instrument=OHMMETER,
        accuracy_frac=0.01,
        most=1e12,
        rule="test-short",
    )
    if src.ctx.design.wiring.chassis_bond_count:
        yield Step(
            "s1-chassis",
            "s1",
            "Plus busbar to chassis",
            "Lift the chassis bond first.",
            "value",
            "chassis",
            "MΩ",
            low=APART_MOHM,
            instrument=OHMMETER,
            accuracy_frac=0.01,
            most=1e12,
            rule="test-short",
        )
        yield Step(
            "s1-bond",
            "s1",
            "Chassis bond",
            "Bond back on: minus busbar to bare chassis. Take the meter’s leads off the reading.",
            "value",
            "chassis",
            "Ω",
            high=BOND_OHM,
            instrument="multimeter, leads zeroed",
            resolution=meter.loop_resolution_mohm / 1000 if meter.loop_resolution_mohm < 50 else 0.01,
            rule="test-fail",
        )
    yield Step(
        "s1-polarity",
        "s1",
        "Polarity at every end",
        "Red to plus at every outlet, appliance, charger and battery lead, by the meter and not by the colour.",
        subject="polarity",
        rule="test-reversed",
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
        "Covers, glands, clips",
        "Nothing bare, every gland tight, double insulated up to the box, apart from low voltage.",
        subject="mains",
    )
    limit, name = _earth_ohm(src)
    yield Step(
        "s2-earth",
        "s2",
        "Protective conductor and bonds",
        f"Longest way{f': {name}' if name else ''}; tester at 0.2 A or more.",
        "value",
        "mains",
        "Ω",
        high=limit,
        instrument="installation tester",
        accuracy_frac=0.02,
        resolution=0.01,
        digits_count=2,
        rule="test-earth-open",
    )
    yield Step(
        "s2-insulation",
        "s2",
        "Insulation, live to earth",
        "500 V DC with electronics taken out.",
        "value",
        "mains",
        "MΩ",
        low=INSULATION_MOHM,
        instrument="installation tester",
        accuracy_frac=0.03,
        most=1e12,
        rule="test-insulation-low",
    )
    yield Step(
        "s2-polarity", "s2", "Polarity of sockets and switches", "Line, neutral and earth as they should be at each.", subject="mains", rule="test-ac-polarity"
    )


def shunt(src: Source) -> Iterator[Step]:
    """S3."""
    d = src.ctx.design
    if d.power.bank is None or not d.wiring.shunt:
        return
    yield Step(
        "s3-negatives",
        "s3",
        "Every negative on the load side",
        "Only the battery’s own lead on the battery side of the shunt.",
        subject="shunt",
        rule="test-negative-bypass",
    )
    yield Step(
        "s3-zero",
        "s3",
        "Current with everything off",
        "Monitor on its own fused lead, main fuse still out.",
        "value",
        "shunt",
        "A",
        0.0,
        -ZERO_A,
        ZERO_A,
        instrument="battery monitor",
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
        "Settings of the monitor",
        f"Capacity {ah:g} Ah, and the charge voltage of the battery’s data sheet.",
        subject="shunt",
        marks={"capacity_ah": ah},
    )
