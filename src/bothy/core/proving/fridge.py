"""How long a fridge takes to get cold, from its own heat and cooling (method prove.fridge)."""

from __future__ import annotations

import math
from typing import Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method
from bothy.core.proving.verdict import VerdictIn, VerdictWord, verdict
from bothy.core.words.says import proving_says as says

FRIDGE = Method("prove.fridge")


class FridgePulldownIn(Contract):
    ambient_temp_c: float = Field(ge=-40, le=70)
    setpoint_temp_c: float = Field(ge=-60, le=40)
    start_temp_c: float | None = Field(None, ge=-60, le=80)
    cabinet_capacity_j_k: float = Field(8000, gt=0, le=1e6)
    contents_mass_kg: float = Field(0, ge=0, le=1000)
    contents_cp_j_kgk: float = Field(3900, gt=0, le=5000)
    ua_w_k: float = Field(0.7, gt=0, le=100)
    cooling_w: float | None = Field(None, gt=0, le=10000)
    power_w: float | None = Field(None, gt=0, le=10000)
    cop: float = Field(1.3, ge=0.1, le=10)
    measured_time_h: float | None = Field(None, ge=0, le=1000)
    tolerance_frac: float = Field(0.35, ge=0, le=10)

    @model_validator(mode="after")
    def _cools(self) -> Self:
        if self.cooling_w is None and self.power_w is None:
            raise wrong("cooling_w", says("give-cooling-or-power"))
        return self


class FridgePulldownOut(Outcome):
    time_h: float | None
    floor_temp_c: float
    reachable: bool
    duty_frac: float
    time_constant_h: float
    energy_wh: float | None
    verdict: VerdictWord | None


@formula(says("coldest-gets"), "T_∞ = T_a − Q/UA", unit="°C", source=FRIDGE)
def floor_temp(ambient_temp_c: float, cooling_w: float, ua_w_k: float) -> float:
    return ambient_temp_c - cooling_w / ua_w_k


@formula(says("time-constant"), "τ = (C + m·c_p)/UA/3600", unit="h", source=FRIDGE)
def time_constant(cabinet_capacity_j_k: float, contents_mass_kg: float, contents_cp_j_kgk: float, ua_w_k: float) -> float:
    return (cabinet_capacity_j_k + contents_mass_kg * contents_cp_j_kgk) / ua_w_k / 3600


@formula(says("part-time-runs"), "max(0, UA·(T_a − T_set)/Q)", unit="", source=FRIDGE)
def duty(ua_w_k: float, ambient_temp_c: float, setpoint_temp_c: float, cooling_w: float) -> float:
    return max(0.0, ua_w_k * (ambient_temp_c - setpoint_temp_c) / cooling_w)


def pulldown_h(start_c: float, set_c: float, floor_c: float, tau_h: float) -> float | None:
    """Hours from start to setpoint with the compressor always on; None: never."""
    if start_c <= set_c:
        return 0.0
    if floor_c >= set_c:
        return None
    return tau_h * math.log((start_c - floor_c) / (set_c - floor_c))


def fridge_pulldown(inp: FridgePulldownIn, sources: dict[str, Figure] | None = None) -> FridgePulldownOut:
    """How long until it is cold, and the verdict on what was timed. Method: prove.fridge."""
    g = Given(inp, sources)
    cold = (
        g("cooling_w") if inp.cooling_w is not None else derived("cooling_w", "P·COP", (inp.power_w or 0) * inp.cop, FRIDGE, power_w=g("power_w"), cop=g("cop"))
    )
    floor = floor_temp(g("ambient_temp_c"), cold, g("ua_w_k"))
    tau = time_constant(g("cabinet_capacity_j_k"), g("contents_mass_kg"), g("contents_cp_j_kgk"), g("ua_w_k"))
    start = inp.ambient_temp_c if inp.start_temp_c is None else inp.start_temp_c
    hours = pulldown_h(start, inp.setpoint_temp_c, floor.value, tau.value)
    time = None if hours is None else derived("time_h", "τ·ln((T_0 − T_∞)/(T_set − T_∞))", hours, FRIDGE, time_constant_h=tau, floor_temp_c=floor)
    word: VerdictWord | None = None
    if inp.measured_time_h is not None and hours is not None:
        word = verdict(
            VerdictIn.trusted(measured=inp.measured_time_h, expected=hours, limit_high=hours * (1 + inp.tolerance_frac), expected_sd=0.1 * hours)
        ).verdict
    return FridgePulldownOut.of(
        time_h=time,
        floor_temp_c=floor,
        reachable=hours is not None,
        duty_frac=duty(g("ua_w_k"), g("ambient_temp_c"), g("setpoint_temp_c"), cold),
        time_constant_h=tau,
        energy_wh=derived("energy_wh", "P·t", inp.power_w * hours, FRIDGE, power_w=g("power_w"), time_h=hours)
        if inp.power_w is not None and hours is not None
        else None,
        verdict=word,
    )
