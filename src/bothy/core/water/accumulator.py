"""An accumulator, its draw-down and the pump's cycles (method water.accumulator)."""

from __future__ import annotations

from typing import ClassVar, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula, given
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.water.properties import ATMOSPHERE_KPA
from bothy.core.words.says import water_says as says

UNDER_CUT_IN = 14.0


@formula(says("draw-down-share"), "(p_pre + p_a)·[1/(p_in + p_a) − 1/(p_out + p_a)]", unit="%", source=Method("water.accumulator", "Boyle"))
def drawdown_share(precharge_kpa: float, cut_in_kpa: float, cut_out_kpa: float, atmosphere_kpa: float) -> float:
    a = atmosphere_kpa
    return (precharge_kpa + a) * (1 / (cut_in_kpa + a) - 1 / (cut_out_kpa + a))


class AccumulatorSizeIn(Contract):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (("accumulator_l", "drawdown_l"),)
    cut_in_kpa: float = Field(ge=10, le=600)
    cut_out_kpa: float = Field(ge=10, le=800)
    precharge_kpa: float | None = Field(None, ge=0, le=600)
    atmosphere_kpa: float = Field(ATMOSPHERE_KPA, ge=50, le=110)
    accumulator_l: float | None = Field(None, gt=0, le=200)
    drawdown_l: float | None = Field(None, gt=0, le=100)
    draw_flow_l_min: float | None = Field(None, gt=0, le=100)
    pump_flow_l_min: float | None = Field(None, gt=0, le=100)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.cut_out_kpa <= self.cut_in_kpa:
            raise wrong("cut_out_kpa", says("must-be-more-than", cut_in_kpa=self.cut_in_kpa))
        if self.precharge_kpa is not None and self.precharge_kpa > self.cut_in_kpa:
            raise wrong("precharge_kpa", says("must-be-at-most", cut_in_kpa=self.cut_in_kpa))
        self.exactly_one(*self.ONE_OF[0])
        return self


class AccumulatorSizeOut(Outcome):
    accumulator_l: float
    drawdown_l: float
    drawdown_frac: float
    precharge_kpa: float
    rest_time_s: float | None
    run_time_s: float | None
    cycles_per_hour: float | None


def accumulator_size(inp: AccumulatorSizeIn, sources: dict[str, Figure] | None = None) -> AccumulatorSizeOut:
    """Water that an accumulator gives between cut-out and cut-in. Method: water.accumulator."""
    g = Given(inp, sources)
    if inp.precharge_kpa is None:
        pre = derived(
            "precharge_kpa",
            says("cut-in-at-least"),
            max(0.0, inp.cut_in_kpa - UNDER_CUT_IN),
            Method("water.accumulator") + OwnChoice("practice"),
            cut_in_kpa=g("cut_in_kpa"),
        )
    else:
        pre = g("precharge_kpa")
    share = drawdown_share(pre, g("cut_in_kpa"), g("cut_out_kpa"), g("atmosphere_kpa"))
    if inp.accumulator_l is not None:
        size = g("accumulator_l")
        drawn = derived("drawdown_l", "V·share", size.value * share.value, Method("water.accumulator", "Boyle"), accumulator_l=size, drawdown_frac=share)
    else:
        drawn = g("drawdown_l")
        size = derived(
            "accumulator_l", "draw-down/share", drawn.value / share.value, Method("water.accumulator", "Boyle"), drawdown_l=drawn, drawdown_frac=share
        )
    rest = run = cycles = None
    if inp.draw_flow_l_min is not None and inp.pump_flow_l_min is not None:
        q, p = inp.draw_flow_l_min, inp.pump_flow_l_min
        if q >= p:
            cycles = given("cycles_per_hour", 0.0, "computed", says("draw-takes-all-pump"), source=Method("water.accumulator"))
        else:
            rest = derived(
                "rest_time_s", "60·draw-down/q", 60 * drawn.value / q, Method("water.accumulator"), drawdown_l=drawn, draw_flow_l_min=g("draw_flow_l_min")
            )
            run = derived(
                "run_time_s",
                "60·draw-down/(Q_p − q)",
                60 * drawn.value / (p - q),
                Method("water.accumulator"),
                drawdown_l=drawn,
                draw_flow_l_min=g("draw_flow_l_min"),
                pump_flow_l_min=g("pump_flow_l_min"),
            )
            cycles = derived(
                "cycles_per_hour",
                "3600/(rest + run)",
                3600 / (rest.value + run.value),
                Method("water.accumulator", "definition"),
                rest_time_s=rest,
                run_time_s=run,
            )
    return AccumulatorSizeOut.of(
        accumulator_l=size, drawdown_l=drawn, drawdown_frac=share, precharge_kpa=pre, rest_time_s=rest, run_time_s=run, cycles_per_hour=cycles
    )
