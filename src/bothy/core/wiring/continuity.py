"""The loop test: what an ohm-meter should read before power comes on (method wiring.loop-test)."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, unique_ids
from bothy.core.figure import Figure, formula, given
from bothy.core.method.sources import Method
from bothy.core.wiring.conductors import Conductor, row_of, warm_resistance
from bothy.core.words.says import wiring_says as says

OPEN_MOHM = 1e6
LoopVerdict = Literal["pass", "high", "short", "open"]


class LoopCircuit(Conductor):
    id: str = Field(min_length=1, max_length=200)
    length_m: float = Field(gt=0, le=1000)
    extra_resistance_mohm: float = Field(0, ge=0, le=1e5)
    current_a: float | None = Field(None, ge=0, le=5000)
    measured_mohm: float | None = Field(None, ge=0, le=1e12)


class LoopContinuityIn(Contract):
    test_temp_c: float = Field(20, ge=-40, le=80)
    lead_resistance_mohm: float = Field(0, ge=0, le=1e5)
    meter_resolution_mohm: float = Field(100, gt=0, le=1e6)
    tolerance_frac: float = Field(0.25, ge=0, le=5)
    contact_allowance_mohm: float = Field(20, ge=0, le=1e5)
    circuits: list[LoopCircuit] = Field(min_length=1)

    @model_validator(mode="after")
    def _ids(self) -> Self:
        unique_ids(c.id for c in self.circuits)
        return self


class LoopContinuityOut(Outcome):
    expected_mohm: dict[str, float]
    low_mohm: dict[str, float]
    high_mohm: dict[str, float]
    resolvable: dict[str, bool]
    loaded_drop_v: dict[str, float | None]
    verdict: dict[str, LoopVerdict | None]


@formula(says("loop-resistance"), "r(T)·2·L + R_extra", unit="mΩ", source=Method("wiring.loop-test", "class 5 values are maxima"))
def loop_resistance_there_and_back(unit_resistance_mohm_per_m: float, length_m: float, extra_resistance_mohm: float) -> float:
    return unit_resistance_mohm_per_m * 2 * length_m + extra_resistance_mohm


@formula(says("expected-reading"), "R + meter leads", unit="mΩ", source=Method("wiring.loop-test"))
def expected_reading(loop_mohm: float, lead_resistance_mohm: float) -> float:
    return loop_mohm + lead_resistance_mohm


@formula(says("least-reading"), "0.7·R + meter leads", unit="mΩ", source=Method("wiring.loop-test", "below it the cores touch before the far end"))
def least_reading(loop_mohm: float, lead_resistance_mohm: float) -> float:
    return 0.7 * loop_mohm + lead_resistance_mohm


@formula(says("largest-reading"), "(1 + tolerance)·R + contacts + meter leads", unit="mΩ", source=Method("wiring.loop-test"))
def largest_reading(loop_mohm: float, tolerance_frac: float, contact_allowance_mohm: float, lead_resistance_mohm: float) -> float:
    return (1 + tolerance_frac) * loop_mohm + contact_allowance_mohm + lead_resistance_mohm


@formula(says("fall-design-current"), "I·R/1000", unit="V", source=Method("wiring.loop-test", "Ohm"))
def loaded_fall(current_a: float, loop_mohm: float) -> float:
    return current_a * loop_mohm / 1000


def loop_of(c: LoopCircuit, test_temp_c: Figure | float) -> Figure:
    """Resistance of there and back with its joints, without the meter's leads."""
    area, row = row_of(c.area_mm2, c.awg)
    r20 = given("unit_resistance_20c_mohm_per_m", row.tinned if c.tinned else row.plain, "table", says("class-copper-2", area_mm2=area))
    return loop_resistance_there_and_back(warm_resistance(r20, test_temp_c), c.length_m, c.extra_resistance_mohm)


def _judged(measured: float | None, low: float, high: float, resolution: float) -> LoopVerdict | None:
    if measured is None:
        return None
    if measured > OPEN_MOHM + EPS:
        return "open"
    if measured > high + resolution + EPS:
        return "high"
    return "short" if measured < low - resolution - EPS else "pass"


def loop_continuity(inp: LoopContinuityIn, sources: dict[str, Figure] | None = None) -> LoopContinuityOut:
    """Expected loop resistances with their limits, and the verdict on what was measured.

    Power off, fuse out, far ends twisted together. Method: wiring.loop-test.
    """
    g = Given(inp, sources)
    loops = {c.id: loop_of(c, g("test_temp_c")) for c in inp.circuits}
    leads = g("lead_resistance_mohm")
    low = {k: least_reading(r, leads) for k, r in loops.items()}
    high = {k: largest_reading(r, g("tolerance_frac"), g("contact_allowance_mohm"), leads) for k, r in loops.items()}
    return LoopContinuityOut.of(
        expected_mohm={k: expected_reading(r, leads) for k, r in loops.items()},
        low_mohm=low,
        high_mohm=high,
        resolvable={k: r.value >= 3 * inp.meter_resolution_mohm - EPS for k, r in loops.items()},
        loaded_drop_v={c.id: loaded_fall(c.current_a, loops[c.id]) if c.current_a is not None else None for c in inp.circuits},
        verdict={c.id: _judged(c.measured_mohm, low[c.id].value, high[c.id].value, inp.meter_resolution_mohm) for c in inp.circuits},
    )
