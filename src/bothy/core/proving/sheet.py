"""The test sheet: expected current and voltage of every circuit, and the verdict on each reading (the method of prove)."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from pydantic import BaseModel

from bothy.core.context import Context
from bothy.core.contract import BadInput, quick
from bothy.core.design.life import Appliance
from bothy.core.design.prove import Meter
from bothy.core.design.wiring import Circuit
from bothy.core.facts.kinds import Reading
from bothy.core.feeds import Feeds
from bothy.core.figure import Figure, given
from bothy.core.finding import Finding, finding, rule
from bothy.core.method.sources import Method, Standard
from bothy.core.proving.excess import Excess, ExcessResistanceIn, excess_of
from bothy.core.proving.expected import ExpectedCircuitCurrentIn, ExpectedLoad, ExpectedLoadVoltageIn, LoadKind, expected_circuit_current, expected_load_voltage
from bothy.core.proving.verdict import Ruling, VerdictWord, ruling
from bothy.core.wiring.conductors import ConductorResistanceIn, conductor_resistance
from bothy.core.words.says import proving_says as says

VOLT_TOLERANCE = 0.02
CHARGER_TOLERANCE = 0.10
TEST_COPPER_C = 25.0

rule("test-fail", "fault", "prove", Method("prove.verdict") + Standard("ISO/IEC Guide 98-4"))
rule("test-marginal", "advice", "prove", Method("prove.verdict") + Standard("ISO/IEC Guide 98-4"))
rule("test-current-band", "fault", "prove", Method("prove.expected-current"))
rule("test-cable-overload", "danger", "prove", Method("wiring.cable-choice"))
rule("test-meter-weak", "advice", "prove", Method("prove.verdict"))


class SheetRow(BaseModel):
    """One circuit on the test sheet. None where it can't be said yet.

    ``loop_mohm`` is the loop that the design predicts with its joints, ``excess_mohm`` what it measured above it and ``heat_w`` what that heats, None where
    not both volts and the amps were read; ``why`` what is wrong.
    ``judged_revision``: the revision that its reading was judged against, with what was expected then; ``outdated`` where that has changed since.
    """

    circuit: str
    code: str
    name: str
    how: str
    expected_a: float | None
    low_a: float | None
    high_a: float | None
    source_v: float | None
    expected_v: float | None
    low_v: float | None
    high_v: float | None
    current_verdict: VerdictWord | None
    voltage_verdict: VerdictWord | None
    verdict: VerdictWord | None
    missing: str | None
    why: str = ""
    loop_mohm: float | None = None
    excess_mohm: float | None = None
    heat_w: float | None = None
    judged_revision: int | None = None
    expected_then: dict[str, float] = {}
    outdated: bool = False


class ProvePart(BaseModel):
    """The test sheet and how far it has got; ``unanswered`` questions of the other stages, whose items count as missing."""

    rows: list[SheetRow]
    unanswered: int = 0
    testable: int
    read: int
    passed: int


class SheetCircuit(NamedTuple):
    """What the sheet needs to know of a circuit from Wiring."""

    id: str
    code: str
    kind: str
    nominal_v: float
    length_m: float
    ampacity_a: float | None


KIND: dict[str, LoadKind] = {"pump": "motor", "fan": "motor"}


def electrical_kind(a: Appliance) -> LoadKind:
    """How an appliance's current answers to voltage: typed, else motor for pumps and fans, else constant power."""
    return a.electrical or KIND.get(a.kind, "constant_power")


BLADE_MOHM: dict[float, float] = {1: 123, 2: 53, 3: 31, 5: 17.9, 7.5: 10.9, 10: 7.7, 15: 4.8, 20: 3.4, 25: 2.5, 30: 2.0, 40: 1.4}
"""Cold resistance of a blade fuse by its rating, mΩ (typical, ISO 8820-3 size C)."""
HOLDER_MOHM, SWITCH_MOHM, TERMINALS_MOHM = 2.0, 10.0, 1.0


def fuse_mohm(fuse_a: float | None) -> float:
    """Cold resistance of a fuse in mΩ: of a blade by its table, of others about 60 mV at their rating."""
    return 0.0 if not fuse_a else BLADE_MOHM.get(fuse_a, 60.0 / fuse_a)


def joints_mohm(fuse_a: float | None) -> float:
    """Fuse, holder, switch and terminals in mΩ, typical (method wiring.voltage-drop)."""
    return fuse_mohm(fuse_a) + HOLDER_MOHM + SWITCH_MOHM + TERMINALS_MOHM


def _volts(row: SheetRow, r: Reading, m: Meter) -> Ruling | None:
    if r.load_voltage_v is None or row.expected_v is None or row.low_v is None or row.high_v is None:
        return None
    return ruling(r.load_voltage_v, row.expected_v, row.low_v, row.high_v, m.volt_accuracy_frac, m.volt_digits_count, m.volt_resolution_v)


def _amps(row: SheetRow, r: Reading, m: Meter) -> Ruling | None:
    if r.current_a is None or row.expected_a is None or row.low_a is None or row.high_a is None:
        return None
    return ruling(abs(r.current_a), row.expected_a, row.low_a, row.high_a, m.current_accuracy_frac, m.current_digits_count, m.current_resolution_a)


def _row(c: Circuit, s: SheetCircuit, how: str, missing: str | None = None) -> SheetRow:
    return quick(
        SheetRow,
        circuit=c.id,
        code=s.code,
        name=c.name,
        how=how,
        expected_a=None,
        low_a=None,
        high_a=None,
        source_v=None,
        expected_v=None,
        low_v=None,
        high_v=None,
        current_verdict=None,
        voltage_verdict=None,
        verdict=None,
        missing=missing,
    )


def _load_row(ctx: Context, c: Circuit, s: SheetCircuit, reading: Reading | None) -> SheetRow:
    """Expected current and voltage of a load circuit with everything on it switched on."""
    on_it = [a for i in c.appliances if (a := ctx.design.appliance(i)) is not None and a.count > 0]
    row = _row(c, s, says("switch-everything-on-this"))
    if not on_it:
        row.missing = says("no-appliance-on")
        return row
    if not c.sized:
        row.missing = says("no-cable-chosen-yet")
        return row
    typed = reading.source_voltage_v if reading else None
    source = given(
        "source_voltage_v",
        typed or ctx.bank_v,
        "typed" if typed else "assumed",
        says("read-at-same-moment") if typed else says("banks-nominal-voltage-type"),
    )
    size = {"awg": c.awg} if c.awg else {"area_mm2": c.area_mm2}
    cable = conductor_resistance(
        ConductorResistanceIn.trusted(
            **{
                **size,
                "tinned": c.tinned,
                "length_m": s.length_m,
                "conductors_count": 2 if c.return_path == "cable" else 1,
                "parallel_count": c.parallel_count,
                "conductor_temp_c": TEST_COPPER_C,
            }
        )
    ).figure("resistance_mohm")
    fuse = c.fuse_a
    extra = given("joints_mohm", joints_mohm(fuse) + (5.0 if c.return_path == "chassis" else 0.0), "table", says("fuse-holder-switch-terminals"))
    powers = {a.id: a.running_w for a in on_it}
    main = max(on_it, key=lambda a: powers[a.id] * a.count)
    whole = sum(powers[a.id] * a.count for a in on_it)
    eff = {a.id: a.adapter_frac for a in on_it}
    rated = 12.0 * ctx.scale
    try:
        volts = expected_load_voltage(
            ExpectedLoadVoltageIn.trusted(
                source_voltage_v=source.value,
                loop_resistance_mohm=cable.value,
                joints_mohm=extra.value,
                kind=electrical_kind(main),
                power_w=whole,
                rated_voltage_v=rated,
                efficiency_frac=eff[main.id],
            ),
            {"source_voltage_v": source, "loop_resistance_mohm": cable, "joints_mohm": extra},
        )
    except BadInput as exc:
        row.missing = exc.message
        return row
    v = volts.figure("load_voltage_v").named(says("expected-voltage-at-load"))
    amps = expected_circuit_current(
        ExpectedCircuitCurrentIn.trusted(
            supply_voltage_v=v.value,
            loads=[
                ExpectedLoad.trusted(
                    kind=electrical_kind(a),
                    power_w=powers[a.id],
                    rated_voltage_v=rated,
                    count=a.count,
                    efficiency_frac=eff[a.id],
                    tolerance_frac=None,
                    inrush_factor=None,
                )
                for a in on_it
            ],
        ),
        {"supply_voltage_v": v},
    )
    for key, fig in (("expected_v", v), ("expected_a", amps.figure("current_a")), ("low_a", amps.figure("low_a")), ("high_a", amps.figure("high_a"))):
        ctx.book.put(f"prove/{c.id}/{key}", fig)
    width = VOLT_TOLERANCE * rated
    row.expected_a, row.low_a, row.high_a = amps.current_a, amps.low_a, amps.high_a
    row.source_v, row.expected_v, row.low_v, row.high_v = source.value, v.value, v.value - width, v.value + width
    row.loop_mohm = cable.value + extra.value
    return row


def _excess(row: SheetRow, r: Reading, m: Meter) -> Excess | None:
    """What the circuit loses beyond what the design predicts, where both volts and the amps were read."""
    if row.loop_mohm is None or r.source_voltage_v is None or r.load_voltage_v is None or not r.current_a:
        return None
    return excess_of(
        ExcessResistanceIn.trusted(
            source_voltage_v=r.source_voltage_v,
            load_voltage_v=r.load_voltage_v,
            current_a=abs(r.current_a),
            predicted_resistance_mohm=row.loop_mohm,
            volt_accuracy_frac=m.volt_accuracy_frac,
            volt_digits_count=m.volt_digits_count,
            volt_resolution_v=m.volt_resolution_v,
            current_accuracy_frac=m.current_accuracy_frac,
            current_digits_count=m.current_digits_count,
            current_resolution_a=m.current_resolution_a,
        )
    )


_CHARGER_HOW = {
    "driving": says("engine-running-bank-under"),
    "shore": says("hooked-up-bank-under"),
}


def _charger_row(ctx: Context, c: Circuit, s: SheetCircuit, current: Figure) -> SheetRow:
    low, high = current.value * (1 - CHARGER_TOLERANCE), current.value * (1 + CHARGER_TOLERANCE)
    ctx.book.put(f"prove/{c.id}/expected_a", current.named(says("expected-charge-current")))
    row = _row(c, s, _CHARGER_HOW[c.kind])
    row.expected_a, row.low_a, row.high_a = current.value, low, high
    return row


def _sheet_row(ctx: Context, c: Circuit, s: SheetCircuit, reading: Reading | None, meter: Meter, charge: Figure | None) -> tuple[SheetRow, list[Finding]]:
    """The row of a circuit, with the findings of its reading where it has one; ``charge`` where it is a charger's, else it is a load's."""
    row = _load_row(ctx, c, s, reading) if charge is None else _charger_row(ctx, c, s, charge)
    return (row, []) if reading is None else _judged(row, reading, meter, s, c)


def prove_part(ctx: Context, circuits: list[SheetCircuit], feeds: Feeds) -> tuple[ProvePart, list[Finding]]:
    """The test sheet and the findings of its readings."""
    readings = {r.circuit: r for r in ctx.facts.readings}
    meter = ctx.design.prove.meter
    rows: list[SheetRow] = []
    out: list[Finding] = []
    for s in circuits:
        c = ctx.design.circuit(s.id)
        if c is None or c.kind not in ("load", "driving", "shore"):
            continue
        if c.kind != "load" and c.kind not in feeds:
            continue
        row, found = ctx.part(f"prove/{c.id}", _sheet_row, c, s, readings.get(c.id), meter, feeds[c.kind].current_a if c.kind != "load" else None)
        out += found
        rows.append(row)
    done = [r for r in rows if r.verdict is not None]
    return ProvePart(rows=rows, testable=sum(1 for r in rows if r.missing is None), read=len(done), passed=sum(1 for r in done if r.verdict == "pass")), out


def _figures(row: SheetRow) -> list[str]:
    return [f"prove/{row.circuit}/expected_a", f"prove/{row.circuit}/expected_v"]


def _wrong_amps(row: SheetRow, r: Reading, s: SheetCircuit, c: Circuit, amps: Ruling | None) -> Iterator[Finding]:
    name, figures = f"{row.code} {row.name}", _figures(row)
    if r.current_a is not None and s.ampacity_a is not None and abs(r.current_a) > min(s.ampacity_a, c.fuse_a or s.ampacity_a):
        yield finding(
            "test-cable-overload",
            row.circuit,
            name,
            says("meter-read-cable-carries", current_a=r.current_a, ampacity_a=s.ampacity_a, fuse_a=c.fuse_a or 0),
        )
    if amps is not None and amps.verdict == "fail":
        yield finding(
            "test-current-band",
            row.circuit,
            name,
            says("meter-read-to-expected", current_a=r.current_a, low_a=row.low_a, high_a=row.high_a, expanded_uncertainty_a=amps.expanded_uncertainty),
            figures=figures,
        )


def _wrong_loop(row: SheetRow, over: Excess | None) -> Iterator[Finding]:
    name, figures = f"{row.code} {row.name}", _figures(row)
    if over is not None and over.verdict == "fail":
        yield finding(
            "test-excess-joint",
            row.circuit,
            name,
            says(
                "loop-has-more-than",
                excess_mohm=over.excess,
                measured_mohm=over.measured,
                loop_mohm=row.loop_mohm or 0,
                uncertainty_mohm=over.uncertainty,
                heat_w=over.heat_w,
            ),
            figures=figures,
            severity=over.severity if over.severity in ("danger", "fault") else None,
        )
    elif over is not None and over.below:
        yield finding(
            "test-below-prediction",
            row.circuit,
            name,
            says("loop-measured-cable-and", measured_mohm=over.measured, loop_mohm=row.loop_mohm or 0),
        )


def _wrong_volts(row: SheetRow, r: Reading, volts: Ruling | None, over: Excess | None) -> Iterator[Finding]:
    name, figures = f"{row.code} {row.name}", _figures(row)
    if volts is not None and volts.verdict == "fail" and (over is None or over.verdict != "fail"):
        low = r.load_voltage_v is not None and row.low_v is not None and r.load_voltage_v < row.low_v
        hint = says("bad-joint-or-thinner") if low else says("check-voltage-at-bank")
        yield finding(
            "test-fail",
            row.circuit,
            name,
            says(
                "meter-read-at-load",
                load_voltage_v=r.load_voltage_v,
                low_v=row.low_v,
                high_v=row.high_v,
                expanded_uncertainty_v=volts.expanded_uncertainty,
                hint=hint,
            ),
            figures=figures,
        )


def _judged(row: SheetRow, r: Reading, m: Meter, s: SheetCircuit, c: Circuit) -> tuple[SheetRow, list[Finding]]:
    """A row with the verdict of its reading, and the findings of it."""
    name = f"{row.code} {row.name}"
    amps, volts, over = _amps(row, r, m), _volts(row, r, m), _excess(row, r, m)
    order: list[str] = ["fail", "marginal", "pass"]
    words: list[VerdictWord] = [x.verdict for x in (amps, volts) if x is not None]
    worst = min(words, key=lambda w: order.index(str(w))) if words else None
    if over is not None and over.verdict == "fail":
        worst = "fail"
    out = [*_wrong_amps(row, r, s, c, amps), *_wrong_loop(row, over), *_wrong_volts(row, r, volts, over)]
    taken = bool(r.note.strip())  # a marginal reading is taken as it is with a note
    if worst == "marginal" and not taken:
        out.append(finding("test-marginal", row.circuit, name, says("reading-inside-limits-only")))
    if amps is not None and amps.meter_adequate is False and amps.verdict == "marginal" and not taken:
        out.append(finding("test-meter-weak", row.circuit, name, says("band-only-times-meters", uncertainty_ratio=amps.uncertainty_ratio or 0)))
    return row.model_copy(
        update={
            "current_verdict": amps.verdict if amps else None,
            "voltage_verdict": volts.verdict if volts else None,
            "verdict": worst,
            "why": " ".join(f.message for f in out),
            "excess_mohm": over.excess if over else None,
            "heat_w": over.heat_w if over else None,
        }
    ), out
