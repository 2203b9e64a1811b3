"""Resistance that shouldn't be there: the drop under load against the cable's own (method prove.excess)."""

from __future__ import annotations

import math
from typing import Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method, Standard
from bothy.core.proving.verdict import VerdictWord
from bothy.core.words.says import proving_says as says

EXCESS = Method("prove.excess")
DANGER_W = 5.0
"""A few watts in one lug exceed 100 °C."""
Severity = Literal["none", "advice", "fault", "danger"]


class LegIn(Contract):
    name: str = Field(min_length=1, max_length=120)
    drop_v: float = Field(ge=-1000, le=1000)
    predicted_mohm: float = Field(ge=0, le=1e6)


class ExcessResistanceIn(Contract):
    drop_v: float | None = Field(None, ge=-1000, le=1000)
    source_voltage_v: float | None = Field(None, ge=0, le=1000)
    load_voltage_v: float | None = Field(None, ge=-1000, le=1000)
    current_a: float = Field(gt=0, le=10000)
    predicted_resistance_mohm: float = Field(ge=0, le=1e6)
    tolerance_frac: float = Field(0.15, ge=0, le=10)
    allowance_mohm: float = Field(1, ge=0, le=1e5)
    volt_accuracy_frac: float = Field(0.005, ge=0, le=1)
    volt_digits_count: Whole = Field(2, ge=0, le=1000)
    volt_resolution_v: float = Field(0.01, ge=0, le=100)
    current_accuracy_frac: float = Field(0.02, ge=0, le=1)
    current_digits_count: Whole = Field(3, ge=0, le=1000)
    current_resolution_a: float = Field(0.1, ge=0, le=100)
    same_meter: bool = True
    legs: list[LegIn] = Field([], max_length=50)

    @model_validator(mode="after")
    def _some(self) -> Self:
        if self.drop_v is None and self.source_voltage_v is None:
            raise wrong("drop_v", says("give-drop-or-source"))
        if self.drop_v is None and self.load_voltage_v is None:
            raise wrong("load_voltage_v", says("required-beside-source-voltage"))
        return self


class LegOut(BaseModel):
    name: str
    measured_mohm: float
    excess_mohm: float


class ExcessResistanceOut(Outcome):
    measured_resistance_mohm: float
    excess_mohm: float
    uncertainty_mohm: float
    limit_mohm: float
    heat_w: float
    verdict: VerdictWord
    severity: Severity
    below_prediction: bool
    worst_leg: str | None
    legs: list[LegOut] | None = None
    ABSENT_WHEN_NULL = ("legs",)


class Excess(NamedTuple):
    """Excess and its uncertainty, mΩ; the heat at the spot if it is one, W."""

    measured: float
    excess: float
    uncertainty: float
    limit: float
    heat_w: float
    verdict: VerdictWord
    severity: Severity
    below: bool


@formula(says("measured-resistance"), "R = 1000·ΔV/I", unit="mΩ", source=EXCESS + Standard("Ohm’s law"))
def measured_mohm(drop_v: float, current_a: float) -> float:
    return 1000 * drop_v / current_a


@formula(says("excess-resistance"), "R_x = R_m − R_p", unit="mΩ", source=EXCESS)
def excess_mohm(measured_resistance_mohm: float, predicted_resistance_mohm: float) -> float:
    return measured_resistance_mohm - predicted_resistance_mohm


@formula(says("what-allowed"), "tolerance·R_p + allowance", unit="mΩ", source=EXCESS)
def allowed_mohm(tolerance_frac: float, predicted_resistance_mohm: float, allowance_mohm: float) -> float:
    return tolerance_frac * predicted_resistance_mohm + allowance_mohm


@formula(says("heat-spot"), "P = I²·R_x/1000", unit="W", source=EXCESS + Standard("Joule’s law"))
def spot_heat(current_a: float, excess: float) -> float:
    return current_a**2 * max(excess, 0.0) / 1000


def drop_uncertainty(inp: ExcessResistanceIn, drop: float) -> float:
    """Standard uncertainty of a drop, V. Two readings of one meter share its scale error, which then acts on the difference only."""
    a, digits = inp.volt_accuracy_frac, inp.volt_digits_count * inp.volt_resolution_v
    if inp.drop_v is not None:
        return (a * abs(drop) + digits) / math.sqrt(3)
    if inp.same_meter:
        return math.sqrt(((a * drop) ** 2 + 2 * digits**2) / 3)
    assert inp.source_voltage_v is not None and inp.load_voltage_v is not None
    return math.sqrt(((a * abs(inp.source_voltage_v) + digits) ** 2 + (a * abs(inp.load_voltage_v) + digits) ** 2) / 3)


def excess_of(inp: ExcessResistanceIn) -> Excess:
    """The excess of a loop or of one leg."""
    drop = inp.drop_v if inp.drop_v is not None else (inp.source_voltage_v or 0.0) - (inp.load_voltage_v or 0.0)
    amps = inp.current_a
    u_i = (inp.current_accuracy_frac * amps + inp.current_digits_count * inp.current_resolution_a) / math.sqrt(3)
    big_u = 2 * 1000 * math.hypot(drop_uncertainty(inp, drop) / amps, drop * u_i / amps**2)
    measured = measured_mohm.raw(drop, amps)
    over = excess_mohm.raw(measured, inp.predicted_resistance_mohm)
    limit = allowed_mohm.raw(inp.tolerance_frac, inp.predicted_resistance_mohm, inp.allowance_mohm)
    heat = spot_heat.raw(amps, over)
    word: VerdictWord = "pass" if over + big_u <= limit + 1e-12 else "fail" if over - big_u > limit else "marginal"
    grave: Severity = "none" if word == "pass" else "advice" if word == "marginal" else "danger" if heat >= DANGER_W else "fault"
    return Excess(measured, over, big_u, limit, heat, word, grave, over + big_u < -limit)


def excess_resistance(inp: ExcessResistanceIn, sources: dict[str, Figure] | None = None) -> ExcessResistanceOut:
    """How much more resistance there is than there should be, where, and what it heats. Method: prove.excess."""
    g = Given(inp, sources)
    x = excess_of(inp)
    drop = (
        g("drop_v")
        if inp.drop_v is not None
        else derived(
            "drop_v",
            "V_s − V_l",
            (inp.source_voltage_v or 0) - (inp.load_voltage_v or 0),
            EXCESS,
            source_voltage_v=g("source_voltage_v"),
            load_voltage_v=g("load_voltage_v"),
        )
    )
    measured = measured_mohm(drop, g("current_a"))
    over = excess_mohm(measured, g("predicted_resistance_mohm"))
    legs = [
        LegOut(name=leg.name, measured_mohm=1000 * leg.drop_v / inp.current_a, excess_mohm=1000 * leg.drop_v / inp.current_a - leg.predicted_mohm)
        for leg in inp.legs
    ]
    worst = max(legs, key=lambda leg: leg.excess_mohm, default=None)
    return ExcessResistanceOut.of(
        measured_resistance_mohm=measured,
        excess_mohm=over,
        uncertainty_mohm=derived(
            "uncertainty_mohm",
            "U = 2000·√((u_ΔV/I)² + (ΔV·u_I/I²)²)",
            x.uncertainty,
            EXCESS + Standard("ISO/IEC Guide 98-3"),
            drop_v=drop,
            current_a=inp.current_a,
        ),
        limit_mohm=allowed_mohm(g("tolerance_frac"), g("predicted_resistance_mohm"), g("allowance_mohm")),
        heat_w=spot_heat(g("current_a"), over),
        verdict=x.verdict,
        severity=x.severity,
        below_prediction=x.below,
        worst_leg=worst.name if worst else None,
        legs=legs or None,
    )
