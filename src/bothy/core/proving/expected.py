"""Expected current of a circuit and voltage at its load (method prove.expected-current)."""

from __future__ import annotations

import math
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import BadInput, Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, formula, given, total
from bothy.core.method.sources import Method, Standard
from bothy.core.proving.verdict import VerdictIn, VerdictWord, verdict
from bothy.core.words.says import proving_says as says

LoadKind = Literal["resistive", "constant_power", "constant_current", "motor"]
TOLERANCE: dict[str, float] = {"resistive": 0.10, "constant_power": 0.15, "constant_current": 0.10, "motor": 0.25}
INRUSH: dict[str, float] = {"resistive": 1.0, "constant_power": 3.0, "constant_current": 1.0, "motor": 5.0}


class ExpectedLoad(Contract):
    kind: LoadKind
    power_w: float = Field(ge=0, le=1e6)
    rated_voltage_v: float = Field(12, gt=0, le=1000)
    efficiency_frac: float = Field(1, gt=0, le=1)
    count: Whole = Field(1, ge=0, le=10000)
    tolerance_frac: float | None = Field(None, ge=0, le=1)
    inrush_factor: float | None = Field(None, ge=1, le=50)


class ExpectedCircuitCurrentIn(Contract):
    supply_voltage_v: float = Field(gt=0, le=1000)
    loads: list[ExpectedLoad] = Field(min_length=1, max_length=100)
    measured_a: float | None = None
    accuracy_frac: float = Field(0.02, ge=0, le=1)
    digits_count: Whole = Field(3, ge=0, le=1000)
    resolution_a: float = Field(0.01, ge=0, le=1000)


class ExpectedCircuitCurrentOut(Outcome):
    current_a: float
    low_a: float
    high_a: float
    inrush_a: float
    power_w: float
    verdict: VerdictWord | None = None
    ABSENT_WHEN_NULL = ("verdict",)


@formula(says("current-resistive-load"), "I = P·V/Vr²", unit="A", source=Method("prove.expected-current", "Ohm's law"))
def resistive_current(power_w: float, supply_voltage_v: float, rated_voltage_v: float) -> float:
    return power_w * supply_voltage_v / rated_voltage_v**2


@formula(says("current-constant-power-load"), "I = P/(η·V)", unit="A", source=Method("prove.expected-current", "definition"))
def electronic_current(power_w: float, efficiency_frac: float, supply_voltage_v: float) -> float:
    return power_w / (efficiency_frac * supply_voltage_v)


@formula(says("current-motor-constant-current"), "I = P/(η·Vr)", unit="A", source=Method("prove.expected-current"))
def rated_current(power_w: float, efficiency_frac: float, rated_voltage_v: float) -> float:
    return power_w / (efficiency_frac * rated_voltage_v)


@formula(says("widest-deviation"), "Σ count·I·tolerance", unit="A", source=Method("prove.expected-current", "linear sum: errors may not be independent"))
def band(current_a: float, deviation_a: float, sign: float) -> float:
    return current_a + sign * deviation_a


def load_current(load: ExpectedLoad, volts: Figure) -> Figure:
    """Current of one unit of a load at the voltage it sees."""
    if load.kind == "resistive":
        return resistive_current(load.power_w, volts, load.rated_voltage_v)
    if load.kind == "constant_power":
        return electronic_current(load.power_w, load.efficiency_frac, volts)
    return rated_current(load.power_w, load.efficiency_frac, load.rated_voltage_v)


def expected_circuit_current(inp: ExpectedCircuitCurrentIn, sources: dict[str, Figure] | None = None) -> ExpectedCircuitCurrentOut:
    """What an ammeter should read on a circuit, and the verdict on a reading. Method: prove.expected-current."""
    g = Given(inp, sources)
    volts = g("supply_voltage_v")
    parts: list[tuple[str, Figure]] = []
    deviation = extra = 0.0
    for i, load in enumerate(inp.loads):
        one = load_current(load, volts)
        whole = Figure(
            one.value * load.count,
            "A",
            f"{load.count} × {load.kind.replace('_', ' ')}",
            expression="count·I",
            source=Method("prove.expected-current", "sum"),
            inputs=(("current_a", one),),
        )
        parts.append((says("load", i=i + 1), whole))
        tol = TOLERANCE[load.kind] if load.tolerance_frac is None else load.tolerance_frac
        deviation += load.count * one.value * tol
        if load.count > 0:
            extra = max(extra, ((load.inrush_factor or INRUSH[load.kind]) - 1) * one.value)
    current = total(says("expected-current"), "A", parts, Method("prove.expected-current"))
    spread = given("deviation_a", deviation, "computed", "Σ count·I·tolerance of each load", source=Method("prove.expected-current"))
    low, high = band(current, spread, -1).named(says("lowest-expected")), band(current, spread, 1).named(says("highest-expected"))
    word: VerdictWord | None = None
    if inp.measured_a is not None:
        word = verdict(
            VerdictIn(
                measured=inp.measured_a,
                expected=current.value,
                limit_low=low.value,
                limit_high=high.value,
                accuracy_frac=inp.accuracy_frac,
                digits_count=inp.digits_count,
                resolution=inp.resolution_a,
            )
        ).verdict
    return ExpectedCircuitCurrentOut.of(
        current_a=current,
        low_a=low,
        high_a=high,
        inrush_a=derived("inrush_a", "ΣI + largest (factor − 1)·I", current.value + extra, Method("prove.expected-current"), current_a=current, extra_a=extra),
        power_w=derived(
            "power_w", "V·ΣI", volts.value * current.value, Method("prove.expected-current", "definition"), supply_voltage_v=volts, current_a=current
        ),
        verdict=word,
    )


class Segment(Contract):
    length_m: float = Field(ge=0, le=1000)
    area_mm2: float = Field(gt=0, le=1000)
    count: Whole = Field(1, ge=1, le=20)
    temp_c: float = Field(20, ge=-60, le=200)
    stranding_factor: float = Field(1.13, ge=1, le=1.3)


class ExpectedLoadVoltageIn(Contract):
    source_voltage_v: float = Field(gt=0, le=1000)
    source_resistance_mohm: float = Field(0, ge=0, le=1e5)
    segments: list[Segment] | None = Field(None, min_length=1, max_length=100)
    loop_resistance_mohm: float | None = Field(None, ge=0, le=1e6)
    joints_mohm: float = Field(0, ge=0, le=1e5)
    kind: LoadKind
    power_w: float = Field(ge=0, le=1e6)
    rated_voltage_v: float = Field(12, gt=0, le=1000)
    efficiency_frac: float = Field(1, gt=0, le=1)

    @model_validator(mode="after")
    def _one(self) -> Self:
        if (self.segments is None) == (self.loop_resistance_mohm is None):
            raise wrong("segments", says("give-exactly-one-segments"))
        return self


class ExpectedLoadVoltageOut(Outcome):
    load_voltage_v: float
    terminal_voltage_v: float
    current_a: float
    cable_drop_v: float
    drop_frac: float
    loop_resistance_mohm: float
    loss_w: float


@formula(says("resistance-segment"), "n·k·ρ·(1 + 0.00393·(T − 20))·L/A", unit="mΩ", source=Method("prove.expected-voltage") + Standard("IEC 60028"))
def segment_resistance(count: float, stranding_factor: float, temp_c: float, length_m: float, area_mm2: float) -> float:
    return count * stranding_factor * 0.017241 * (1 + 0.00393 * (temp_c - 20)) * length_m / area_mm2 * 1000


@formula(says("voltage-resistive-loads-current"), "I = Vs/(Vr²/P + R)", unit="A", source=Method("prove.expected-voltage", "Ohm's law"))
def behind_resistance(source_voltage_v: float, rated_voltage_v: float, power_w: float, resistance_mohm: float) -> float:
    return 0.0 if power_w == 0 else source_voltage_v / (rated_voltage_v**2 / power_w + resistance_mohm / 1000)


@formula(says("voltage-load"), "V = Vs − I·R/1000", unit="V", source=Method("prove.expected-voltage", "Kirchhoff"))
def voltage_behind(source_voltage_v: float, current_a: float, resistance_mohm: float) -> float:
    return source_voltage_v - current_a * resistance_mohm / 1000


def _constant_power_current(inp: ExpectedLoadVoltageIn, ohm: float) -> float:
    power = inp.power_w / inp.efficiency_frac
    root = inp.source_voltage_v**2 - 4 * power * ohm
    if root < 0:
        raise BadInput("power_w", says("voltage-collapse-at-most", source_voltage_w=inp.source_voltage_v**2 / (4 * ohm)))
    return power / ((inp.source_voltage_v + math.sqrt(root)) / 2)


def expected_load_voltage(inp: ExpectedLoadVoltageIn, sources: dict[str, Figure] | None = None) -> ExpectedLoadVoltageOut:
    """What a voltmeter should read at the load, with the load on. Method: prove.expected-voltage."""
    g = Given(inp, sources)
    v_s = g("source_voltage_v")
    joints = g("joints_mohm")
    if inp.segments is not None:
        parts = [
            (says("segment", i=i + 1), segment_resistance(s.count, s.stranding_factor, s.temp_c, s.length_m, s.area_mm2)) for i, s in enumerate(inp.segments)
        ]
    else:
        parts = [("cable", g("loop_resistance_mohm"))]
    loop = total(says("loop-resistance-with-joints"), "mΩ", [*parts, ("joints", joints)], Method("prove.expected-voltage"))
    whole_mohm = inp.source_resistance_mohm + loop.value
    if inp.kind == "resistive":
        current = behind_resistance(v_s, g("rated_voltage_v"), g("power_w"), whole_mohm)
    elif inp.kind == "constant_power":
        current = Figure(
            _constant_power_current(inp, whole_mohm / 1000),
            "A",
            says("current"),
            expression="I = P/(η·V), V = (Vs + √(Vs² − 4·P·R/η))/2",
            source=Method("prove.expected-voltage", "upper root"),
            inputs=(("source_voltage_v", v_s), ("power_w", g("power_w")), ("loop", loop)),
        )
    else:
        current = rated_current(g("power_w"), g("efficiency_frac"), g("rated_voltage_v"))
    at_load = voltage_behind(
        v_s,
        current,
        given("resistance_mohm", whole_mohm, "computed", says("source-and-loop"), source=Method("prove.expected-current"))
        if inp.source_resistance_mohm
        else loop,
    )
    if at_load.value <= 0:
        raise BadInput("power_w", says("uses-up-whole-source"))
    inside = g("source_resistance_mohm")
    terminal = derived(
        "terminal_voltage_v",
        "Vs − I·Rs",
        v_s.value - current.value * inside.value / 1000,
        Method("prove.expected-voltage", "Kirchhoff"),
        source_voltage_v=v_s,
        current_a=current,
        source_resistance_mohm=inside,
    )
    cable_drop = derived(
        "cable_drop_v",
        "terminal − load",
        terminal.value - at_load.value,
        Method("prove.expected-voltage", "Kirchhoff"),
        terminal_voltage_v=terminal,
        load_voltage_v=at_load,
    )
    return ExpectedLoadVoltageOut.of(
        load_voltage_v=at_load,
        terminal_voltage_v=terminal,
        current_a=current,
        cable_drop_v=cable_drop,
        drop_frac=derived(
            "drop_frac",
            "drop/terminal",
            cable_drop.value / terminal.value,
            Method("prove.expected-voltage", "definition"),
            cable_drop_v=cable_drop,
            terminal_voltage_v=terminal,
        ),
        loop_resistance_mohm=loop,
        loss_w=derived(
            "loss_w", "I²·R", current.value**2 * loop.value / 1000, Method("prove.expected-voltage", "Joule"), current_a=current, loop_resistance_mohm=loop
        ),
    )
