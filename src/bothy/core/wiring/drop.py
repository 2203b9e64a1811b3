"""Voltage drop of one run (method wiring.voltage-drop)."""

from __future__ import annotations

import math
from typing import ClassVar, Literal, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, BadInput, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula, given
from bothy.core.method.sources import Method
from bothy.core.wiring.conductors import Conductor, row_of, run_resistance, warm_resistance
from bothy.core.words.says import wiring_says as says

DropClass = Literal["critical", "non_critical", "charging", "feeder", "dcdc_input"]
DROP_LIMIT_FRAC: dict[str, float] = {"critical": 0.03, "non_critical": 0.10, "charging": 0.0125, "feeder": 0.01, "dcdc_input": 0.06}


class Limits(Contract):
    """Keys that limit a drop: a class, or a fraction and/or volts (the tighter wins)."""

    nominal_voltage_v: float = Field(12, gt=0, le=1000)
    drop_class: DropClass = "critical"
    max_drop_frac: float | None = Field(None, gt=0, le=0.5)
    max_drop_v: float | None = Field(None, gt=0)

    @model_validator(mode="after")
    def _half(self) -> Self:
        if self.max_drop_v is not None and self.max_drop_v > self.nominal_voltage_v / 2 + EPS:
            raise wrong("max_drop_v", says("must-be-at-most", nominal_voltage_v=self.nominal_voltage_v / 2))
        return self

    @property
    def limit_v(self) -> float:
        """The drop allowed, in V."""
        given_limits = []
        if self.max_drop_frac is not None:
            given_limits.append(self.max_drop_frac * self.nominal_voltage_v)
        if self.max_drop_v is not None:
            given_limits.append(self.max_drop_v)
        return min(given_limits) if given_limits else DROP_LIMIT_FRAC[self.drop_class] * self.nominal_voltage_v


class VoltageDropIn(Conductor, Limits):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (("current_a", "power_w"),)
    length_m: float = Field(ge=0, le=1000)
    current_a: float | None = Field(None, ge=0, le=5000)
    power_w: float | None = Field(None, ge=0, le=1e6)
    source_voltage_v: float | None = Field(None, gt=0, le=1000)
    return_path: Literal["cable", "chassis"] = "cable"
    chassis_resistance_mohm: float = Field(5, ge=0, le=1e5)
    extra_resistance_mohm: float = Field(0, ge=0, le=1e5)
    conductor_temp_c: float = Field(60, ge=-40, le=200)
    distributed: bool = False
    min_load_voltage_v: float | None = Field(None, ge=0, le=1000)

    @model_validator(mode="after")
    def _one(self) -> Self:
        self.exactly_one(*self.ONE_OF[0])
        return self


class VoltageDropOut(Outcome):
    resistance_mohm: float
    current_a: float
    drop_v: float
    drop_frac: float
    load_voltage_v: float
    heat_w: float
    limit_v: float
    max_length_m: float | None
    ok: bool


@formula(says("loop-resistance"), "R = r·L·n + R_extra", unit="mΩ", source=Method("wiring.voltage-drop"))
def loop_resistance(cable_mohm: float, extra_mohm: float) -> float:
    return cable_mohm + extra_mohm


@formula(says("voltage-drop"), "ΔU = I·R/1000", unit="V", source=Method("wiring.voltage-drop", "Ohm's law; conductor out and back"))
def voltage_drop(current_a: float, resistance_mohm: float) -> float:
    return current_a * resistance_mohm / 1000


@formula(says("drop-far-end-spread"), "ΔU = I·(R_cable/2 + R_fixed)/1000", unit="V", source=Method("wiring.voltage-drop", "load even along the cable"))
def spread_drop(current_a: float, cable_mohm: float, fixed_mohm: float) -> float:
    return current_a * (cable_mohm / 2 + fixed_mohm) / 1000


@formula(says("drop-part-nominal"), "ΔU/U", unit="%", source=Method("wiring.voltage-drop", "definition"))
def drop_fraction(drop_v: float, nominal_voltage_v: float) -> float:
    return drop_v / nominal_voltage_v


@formula(
    says("current-constant-power-load"), "I = P/V, V = (E + √(E² − 4·R·P))/2", unit="A", source=Method("wiring.voltage-drop", "upper root of V = E − R·P/V")
)
def power_current(power_w: float, source_voltage_v: float, resistance_mohm: float) -> float:
    """Raises BadInput ``power_w`` on voltage collapse."""
    r = resistance_mohm / 1000
    root = source_voltage_v**2 - 4 * r * power_w
    if root < 0:
        most = source_voltage_v**2 / (4 * r)
        raise BadInput("power_w", says("voltage-collapse-at-most", most_w=most))
    return power_w / ((source_voltage_v + math.sqrt(root)) / 2)


@formula(says("voltage-load"), "E − ΔU", unit="V", source=Method("wiring.voltage-drop", "Kirchhoff"))
def load_voltage(source_voltage_v: float, drop_v: float) -> float:
    return source_voltage_v - drop_v


@formula(says("heat-cable"), "I²·R/1000", unit="W", source=Method("wiring.voltage-drop", "Joule"))
def cable_heat(current_a: float, resistance_mohm: float) -> float:
    return current_a**2 * resistance_mohm / 1000


class Loop(NamedTuple):
    """A run as a resistance: of its metre, of its cable there and back, fixed parts beside it, and the whole, in mΩ; conductors counted."""

    per_m: Figure
    cable: Figure
    fixed: float
    loop: Figure
    conductors: int


def loop_of(inp: VoltageDropIn, sources: dict[str, Figure] | None = None) -> Loop:
    """Resistance of a run at its copper temperature. Method: wiring.voltage-drop."""
    g = Given(inp, sources)
    area, row = row_of(inp.area_mm2, inp.awg)
    name = f"{inp.awg} AWG" if inp.awg else f"{area:g} mm²"
    r20 = given("unit_resistance_20c_mohm_per_m", row.tinned if inp.tinned else row.plain, "table", says("class-copper", name=name))
    r = warm_resistance(r20, g("conductor_temp_c"))
    n = 2 if inp.return_path == "cable" else 1
    cable = run_resistance(r, g("length_m"), given("conductors_count", n, "input", says("there-and-back") if n == 2 else says("chassis-return")), 1)
    fixed = inp.extra_resistance_mohm + (inp.chassis_resistance_mohm if n == 1 else 0.0)
    return Loop(r, cable, fixed, loop_resistance(cable, given("extra_mohm", fixed, "input", says("fuses-contacts-bodywork"))), n)


def voltage_drop_of(inp: VoltageDropIn, sources: dict[str, Figure] | None = None) -> VoltageDropOut:
    """Drop, heat and longest length of one run. Method: wiring.voltage-drop."""
    g = Given(inp, sources)
    r, cable, fixed, loop, n = loop_of(inp, sources)
    source = g("source_voltage_v", inp.nominal_voltage_v, says("nominal-voltage"))
    if inp.current_a is not None:
        current = g("current_a")
    else:
        felt = cable.value / 2 + fixed if inp.distributed else loop.value
        current = power_current(g("power_w"), source, felt)
    if inp.distributed:
        drop = spread_drop(current, cable, fixed)
        heat = cable_heat(
            current, given("resistance_mohm", cable.value / 3 + fixed, "computed", says("third-spread-loads-cable"), source=Method("wiring.voltage-drop"))
        )
    else:
        drop = voltage_drop(current, loop)
        heat = cable_heat(current, loop)
    at_load = load_voltage(source, drop)
    if at_load.value <= 0:
        raise BadInput("current_a", says("over-uses-up-whole", current_a=current.value, loop_mohm=loop.value))
    limit = inp.limit_v
    kappa = 0.5 if inp.distributed else 1.0
    longest = None
    if current.value > 0:
        longest = max(0.0, (limit / current.value * 1000 - fixed) / (kappa * r.value * n))
    ok = drop.value <= limit + EPS
    if inp.min_load_voltage_v is not None:
        ok = ok and at_load.value >= inp.min_load_voltage_v - EPS
    return VoltageDropOut.of(
        resistance_mohm=loop,
        current_a=current,
        drop_v=drop,
        drop_frac=drop_fraction(drop, inp.nominal_voltage_v),
        load_voltage_v=at_load,
        heat_w=heat,
        limit_v=derived(
            "limit_v",
            says("tightest-what-given-else"),
            limit,
            Method("wiring.voltage-drop", f"class {inp.drop_class.replace('_', ' ')}"),
            nominal_voltage_v=g("nominal_voltage_v"),
        ),
        max_length_m=derived(
            "max_length_m",
            "(limit/I·1000 − R_fixed)/(κ·r·n)",
            longest,
            Method("wiring.voltage-drop"),
            limit_v=limit,
            current_a=current,
            unit_resistance_mohm_per_m=r,
        )
        if longest is not None
        else None,
        ok=ok,
    )
