"""How fast a builder really is, learnt from the log, and whether a date is met (method build.pace, build.finish)."""

from __future__ import annotations

from collections.abc import Sequence
from math import exp, log, sqrt
from typing import Literal, NamedTuple

from pydantic import Field
from scipy.special import ndtr

from bothy.core.build.durations import Distribution, ThreeIn, mean_of, variance_of
from bothy.core.contract import Contract, Outcome
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import build_says as says

PACE, FINISH = Method("build.pace"), Method("build.finish")
CLIP = (0.2, 5.0)
RANGE_90, P80, P90 = 1.645, 0.8416, 1.2816
SMALL_H = 2.0
PRIOR_SD, TASK_SD = 0.35, 0.45


class Pace(NamedTuple):
    """Real hours for each hour of the library: the best guess, its 90 % range, the spread of its logarithm, and how much of it the log knows."""

    factor: float
    low: float
    high: float
    sd_ln: float
    weight: float
    sample: float | None
    clipped: int


def learnt(logs: Sequence[tuple[float, float, float]], prior: float = 1.0, prior_sd: float = PRIOR_SD, task_sd: float = TASK_SD) -> Pace:
    """Pace from logged tasks (estimate in h, actual in h, part done); large tasks tell more than small ones."""
    precision, pull, known, mean_ln, clipped = 1 / prior_sd**2, log(prior) / prior_sd**2, 0.0, 0.0, 0
    for estimate, actual, done in logs:
        r = actual / (estimate * done)
        kept = min(CLIP[1], max(CLIP[0], r))
        clipped += kept != r
        w = estimate * done / (estimate * done + SMALL_H)
        known += w
        mean_ln += w * log(kept)
        precision += w / task_sd**2
        pull += w * log(kept) / task_sd**2
    at, sd = pull / precision, 1 / sqrt(precision)
    sample = exp(mean_ln / known) if known else None
    return Pace(exp(at), exp(at - RANGE_90 * sd), exp(at + RANGE_90 * sd), sd, known / task_sd**2 / precision, sample, clipped)


class LoggedIn(Contract):
    estimate_h: float = Field(gt=0, le=10000)
    actual_h: float = Field(gt=0, le=100000)
    done_frac: float = Field(1, gt=0, le=1)


class PaceFactorIn(Contract):
    logs: list[LoggedIn] = Field(max_length=1000)
    prior_factor: float = Field(1, ge=0.1, le=10)
    prior_sd_ln: float = Field(PRIOR_SD, gt=0, le=3)
    task_sd_ln: float = Field(TASK_SD, gt=0, le=3)
    remaining_estimate_h: float = Field(0, ge=0, le=1e6)


class PaceFactorOut(Outcome):
    pace_factor: float
    low_factor: float
    high_factor: float
    sd_ln: float
    data_weight_frac: float
    sample_factor: float | None
    used_count: int
    clipped_count: int
    remaining_h: float
    remaining_low_h: float
    remaining_high_h: float


def pace_factor(inp: PaceFactorIn, sources: dict[str, Figure] | None = None) -> PaceFactorOut:
    """Pace with its range, and what is left at that pace. Method: build.pace."""
    p = learnt([(x.estimate_h, x.actual_h, x.done_frac) for x in inp.logs], inp.prior_factor, inp.prior_sd_ln, inp.task_sd_ln)
    rest = inp.remaining_estimate_h

    def fig(key: str, expression: str, value: float) -> Figure:
        return derived(key, expression, value, PACE, prior_factor=inp.prior_factor, log_count=len(inp.logs), remaining_estimate_h=rest)

    return PaceFactorOut.of(
        pace_factor=fig("pace_factor", "e^((ln f₀/τ² + Σ w·ln r/σ²)/Π)", p.factor),
        low_factor=fig("low_factor", "e^(mean − 1.645·s)", p.low),
        high_factor=fig("high_factor", "e^(mean + 1.645·s)", p.high),
        sd_ln=fig("sd_ln", "1/√Π", p.sd_ln),
        data_weight_frac=fig("data_weight_frac", "(Σ w/σ²)/Π", p.weight),
        sample_factor=None if p.sample is None else fig("sample_factor", "e^(Σ w·ln r/Σ w)", p.sample),
        used_count=fig("used_count", says("tasks-log"), len(inp.logs)),
        clipped_count=fig("clipped_count", says("ratios-outside-to"), p.clipped),
        remaining_h=fig("remaining_h", "f·remaining", p.factor * rest),
        remaining_low_h=fig("remaining_low_h", "f_low·remaining", p.low * rest),
        remaining_high_h=fig("remaining_high_h", "f_high·remaining", p.high * rest),
    )


class FinishIn(Contract):
    tasks: list[ThreeIn] = Field(min_length=1, max_length=500)
    deadline_h: float = Field(ge=0, le=1e6)
    pace_factor: float = Field(1, gt=0, le=10)
    pace_sd_ln: float = Field(0, ge=0, le=1)
    lags_h: float = Field(0, ge=0, le=1e6)
    distribution: Distribution = "triangular"


class FinishOut(Outcome):
    mean_h: float
    sd_h: float
    z: float | None
    probability_frac: float
    p50_h: float
    p80_h: float
    p90_h: float
    verdict: Literal["likely", "at_risk", "unlikely"]


def finish_probability(inp: FinishIn, sources: dict[str, Figure] | None = None) -> FinishOut:
    """Whether a chain is done by a date, by the normal approximation. Method: build.finish."""
    beta, f = inp.distribution == "beta", inp.pace_factor
    work = sum(mean_of(*t.three, beta) for t in inp.tasks)
    mean = f * work + inp.lags_h
    sd = sqrt(f * f * sum(variance_of(*t.three, beta) for t in inp.tasks) + (f * work * inp.pace_sd_ln) ** 2)
    z = (inp.deadline_h - mean) / sd if sd > 0 else None
    p = float(ndtr(z)) if z is not None else float(inp.deadline_h >= mean)

    def fig(key: str, expression: str, value: float) -> Figure:
        return derived(key, expression, value, FINISH, pace_factor=f, deadline_h=inp.deadline_h, lags_h=inp.lags_h)

    return FinishOut.of(
        mean_h=fig("mean_h", "f·Σ mean + Σ waits", mean),
        sd_h=fig("sd_h", "√(f²·Σ variance + (f·Σ mean·s)²)", sd),
        z=None if z is None else fig("z", "(deadline − mean)/sd", z),
        probability_frac=fig("probability_frac", "Φ(z)", p),
        p50_h=fig("p50_h", "mean", mean),
        p80_h=fig("p80_h", "mean + 0.8416·sd", mean + P80 * sd),
        p90_h=fig("p90_h", "mean + 1.2816·sd", mean + P90 * sd),
        verdict="likely" if p >= 0.8 else "at_risk" if p >= 0.5 else "unlikely",
    )
