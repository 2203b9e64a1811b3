"""The pressure-hold test of the water lines (method water.hold-test)."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.constants import ZERO_K
from bothy.core.contract import EPS, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.water.properties import ATMOSPHERE_KPA
from bothy.core.words.says import water_says as says

PLASTIC, STIFF = 0.05, 0.02


class PressureHoldTestIn(Contract):
    medium: Literal["water", "air"]
    start_kpa: float = Field(ge=1, le=1000)
    end_kpa: float = Field(ge=0, le=1000)
    duration_min: float = Field(gt=0, le=1440)
    start_temp_c: float = Field(15, ge=-20, le=60)
    end_temp_c: float | None = Field(None, ge=-20, le=60)
    pipe_type: Literal["rigid", "plastic"] = "plastic"
    gas_volume_l: float | None = Field(None, gt=0, le=500)
    allowed_drop_kpa: float | None = Field(None, ge=0, le=200)
    min_duration_min: float = Field(30, ge=1, le=1440)
    max_drift_k: float = Field(2, ge=0, le=20)
    atmosphere_kpa: float = Field(ATMOSPHERE_KPA, ge=50, le=110)

    @model_validator(mode="after")
    def _volume(self) -> Self:
        if self.medium == "air" and self.gas_volume_l is None:
            raise wrong("gas_volume_l", says("required-for-test-with"))
        return self


class PressureHoldTestOut(Outcome):
    drop_kpa: float
    expected_end_kpa: float
    corrected_drop_kpa: float
    allowed_drop_kpa: float
    leak_ml: float | None
    leak_ml_h: float | None
    verdict: Literal["pass", "repeat", "fail"]
    reasons: list[str]


def judged(reasons: list[str], repeat_first: tuple[str, ...]) -> Literal["pass", "repeat", "fail"]:
    """The verdict that reasons lead to: what spoils the test comes first, then a drop, then anything else."""
    if any(r in repeat_first for r in reasons):
        return "repeat"
    if "drop-over-limit" in reasons:
        return "fail"
    return "repeat" if reasons else "pass"


def pressure_hold_test(inp: PressureHoldTestIn, sources: dict[str, Figure] | None = None) -> PressureHoldTestOut:
    """Whether the lines hold their pressure. Method: water.hold-test."""
    g = Given(inp, sources)
    end_c = inp.start_temp_c if inp.end_temp_c is None else inp.end_temp_c
    t1, t2, pa, vg = inp.start_temp_c + ZERO_K, end_c + ZERO_K, inp.atmosphere_kpa, inp.gas_volume_l
    p1, p2 = inp.start_kpa, inp.end_kpa
    expected = derived(
        "expected_end_kpa",
        "(p₁ + p_a)·T₂/T₁ − p_a" if vg else "p₁",
        (p1 + pa) * t2 / t1 - pa if vg else p1,
        Method("water.hold-test", "gas law" if vg else "no gas to warm"),
        start_kpa=g("start_kpa"),
    )
    corrected = derived("corrected_drop_kpa", "expected − end", expected.value - p2, Method("water.hold-test"), expected_end_kpa=expected, end_kpa=g("end_kpa"))
    if inp.allowed_drop_kpa is None:
        share = PLASTIC if inp.medium == "water" and inp.pipe_type == "plastic" else STIFF
        allowed = derived(
            "allowed_drop_kpa",
            says("start", share_pc=100 * share),
            share * p1,
            Method("water.hold-test", "plastic creeps" if share == PLASTIC else "practice"),
            start_kpa=g("start_kpa"),
        )
    else:
        allowed = g("allowed_drop_kpa")
    leak = None
    if vg is not None:
        ml = 1000 * vg * ((p1 + pa) * t2 / ((p2 + pa) * t1) - 1) if inp.medium == "water" else 1000 * vg * corrected.value / pa
        leak = derived(
            "leak_ml",
            "1000·V_g·[(p₁ + p_a)·T₂/((p₂ + p_a)·T₁) − 1]" if inp.medium == "water" else "1000·V_g·corrected/p_a",
            max(0.0, ml),
            Method("water.hold-test", "gas law"),
            gas_volume_l=g("gas_volume_l"),
            corrected_drop_kpa=corrected,
        )
    reasons = [
        word
        for word, holds in (
            ("temperature-drift", abs(t2 - t1) > inp.max_drift_k + EPS),
            ("too-short", inp.duration_min < inp.min_duration_min - EPS),
            ("pressure-rise", corrected.value < -allowed.value - EPS),
            ("drop-over-limit", corrected.value > allowed.value + EPS),
        )
        if holds
    ]
    return PressureHoldTestOut.of(
        drop_kpa=derived("drop_kpa", "start − end", p1 - p2, Method("water.hold-test", "definition"), start_kpa=g("start_kpa"), end_kpa=g("end_kpa")),
        expected_end_kpa=expected,
        corrected_drop_kpa=corrected,
        allowed_drop_kpa=allowed,
        leak_ml=leak,
        leak_ml_h=None
        if leak is None
        else derived(
            "leak_ml_h", "mL·60/min", leak.value * 60 / inp.duration_min, Method("water.hold-test", "definition"), leak_ml=leak, duration_min=g("duration_min")
        ),
        verdict=judged(reasons, ("temperature-drift",)),
        reasons=reasons,
    )
