"""Whether everything is counted: each circuit's current at the clamp against what the shunt saw of it (method prove.shunt)."""

from __future__ import annotations

import statistics
from collections.abc import Sequence
from typing import Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Contract, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import proving_says as says

SHUNT = Method("prove.shunt")
ThroughVerdict = Literal["ok", "reversed", "bypass", "partial", "over"]
Cause = Literal["ok", "shunt_reversed", "shunt_reversed_and_scale", "scale_setting", "negative_bypass", "mixed"]


class StepIn(Contract):
    circuit: str = Field(min_length=1, max_length=120)
    clamp_a: float = Field(ge=-10000, le=10000)
    shunt_before_a: float = Field(ge=-10000, le=10000)
    shunt_after_a: float = Field(ge=-10000, le=10000)

    @model_validator(mode="after")
    def _some(self) -> Self:
        if abs(self.clamp_a) < 0.5:
            raise wrong("clamp_a", says("must-be-at-least"))
        return self


class ShuntCheckIn(Contract):
    zero_current_a: float = Field(0, ge=-1000, le=1000)
    zero_limit_a: float = Field(0.1, ge=0, le=100)
    tolerance_frac: float = Field(0.1, ge=0, le=0.5)
    steps: list[StepIn] = Field(min_length=1, max_length=200)


class ThroughOut(BaseModel):
    circuit: str
    through_frac: float
    verdict: ThroughVerdict


class ShuntCheckOut(Outcome):
    circuits: list[ThroughOut]
    median_frac: float
    cause: Cause
    zero_ok: bool
    scale_factor: float | None
    bypass_circuits: list[str]


class Found(NamedTuple):
    """What the fractions say together."""

    verdicts: list[ThroughVerdict]
    median: float
    cause: Cause
    scale: float | None


def _word(f: float, t: float) -> ThroughVerdict:
    if abs(f - 1) <= t:
        return "ok"
    if f < -t:
        return "reversed"
    return "bypass" if f <= t else "partial" if f < 1 else "over"


def cause_of(fractions: Sequence[float], t: float) -> Found:
    """The cause that explains all fractions at once, else mixed. With every fraction near 0 all of them pass the shunt by."""
    words = [_word(f, t) for f in fractions]
    m = statistics.median(fractions)
    if all(w == "ok" for w in words):
        return Found(words, m, "ok", None)
    if all(w == "bypass" for w in words):
        return Found(words, m, "negative_bypass", None)
    if len(fractions) >= 2 and abs(m) > 1e-12 and all(abs(f / m - 1) <= t for f in fractions):
        if m < -t:
            return Found(words, m, "shunt_reversed" if abs(m + 1) <= t else "shunt_reversed_and_scale", 1 / m)
        if abs(m) > t:
            return Found(words, m, "scale_setting", 1 / m)
    if any(w in ("bypass", "partial") for w in words):
        return Found(words, m, "negative_bypass", None)
    return Found(words, m, "mixed", None)


def shunt_check(inp: ShuntCheckIn, sources: dict[str, Figure] | None = None) -> ShuntCheckOut:
    """Which circuits the shunt doesn't see, or how it is set wrong. Method: prove.shunt."""
    fractions = [(s.shunt_after_a - s.shunt_before_a) / s.clamp_a for s in inp.steps]
    found = cause_of(fractions, inp.tolerance_frac)
    passed_by = [s.circuit for s, w in zip(inp.steps, found.verdicts, strict=True) if w in ("bypass", "partial")] if found.cause == "negative_bypass" else []
    return ShuntCheckOut.of(
        circuits=[ThroughOut(circuit=s.circuit, through_frac=f, verdict=w) for s, f, w in zip(inp.steps, fractions, found.verdicts, strict=True)],
        median_frac=derived("median_frac", "middle of (after − before)/clamp", found.median, SHUNT, step_count=len(fractions)),
        cause=found.cause,
        zero_ok=abs(inp.zero_current_a) <= inp.zero_limit_a + 1e-12,
        scale_factor=None if found.scale is None else derived("scale_factor", "1/median", found.scale, SHUNT, median_frac=found.median),
        bypass_circuits=passed_by,
    )
