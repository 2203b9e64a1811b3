"""Verdict on a reading with the meter's own uncertainty (method prove.verdict; ISO/IEC Guide 98-4)."""

from __future__ import annotations

import math
from functools import lru_cache
from typing import Literal, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, formula, given, pick
from bothy.core.method.sources import Method, Standard
from bothy.core.words.says import proving_says as says

VerdictWord = Literal["pass", "marginal", "fail"]


class VerdictIn(Contract):
    measured: float
    expected: float | None = None
    tolerance_frac: float | None = Field(None, ge=0)
    tolerance_abs: float | None = Field(None, ge=0)
    limit_low: float | None = None
    limit_high: float | None = None
    accuracy_frac: float = Field(0, ge=0)
    digits_count: Whole = Field(0, ge=0)
    resolution: float = Field(0, ge=0)
    expected_sd: float = Field(0, ge=0)
    coverage_k: float = Field(2, ge=0, le=5)

    @model_validator(mode="after")
    def _check(self) -> Self:
        if self.limit_low is None and self.limit_high is None:
            if self.expected is None:
                raise wrong("expected", says("required-where-no-limit"))
            if self.tolerance_frac is None and self.tolerance_abs is None:
                raise wrong("tolerance_frac", says("required-or-tolerance-abs"))
        if self.limit_low is not None and self.limit_high is not None and self.limit_high < self.limit_low:
            raise wrong("limit_high", says("must-be-at-least-limit", limit_low=self.limit_low))
        return self


class VerdictOut(Outcome):
    verdict: VerdictWord
    limit_low: float | None
    limit_high: float | None
    expanded_uncertainty: float
    margin: float | None
    deviation: float | None
    conform_frac: float
    uncertainty_ratio: float | None
    meter_adequate: bool | None


@formula(says("standard-uncertainty-reading"), "u = (a·|x| + n·r)/√3", unit="", source=Method("prove.verdict", "limits of error taken as rectangular"))
def meter_uncertainty(accuracy_frac: float, measured: float, digits_count: float, resolution: float) -> float:
    return (accuracy_frac * abs(measured) + digits_count * resolution) / math.sqrt(3)


@formula(says("expanded-uncertainty"), "U = k·√(u_m² + u_e²)", unit="", source=Method("prove.verdict") + Standard("ISO/IEC Guide 98-3"))
def expanded(coverage_k: float, meter_u: float, expected_sd: float) -> float:
    return coverage_k * math.hypot(meter_u, expected_sd)


def _phi(z: float) -> float:
    return 0.5 * (1 + math.erf(z / math.sqrt(2)))


def _conform(x: float, u: float, low: float | None, high: float | None) -> float:
    """Probability that the true value lies inside the limits."""
    if u == 0:
        return 1.0 if (low is None or x >= low) and (high is None or x <= high) else 0.0
    upper = 1.0 if high is None else _phi((high - x) / u)
    return upper - (0.0 if low is None else _phi((low - x) / u))


def _limit(key: str, value: float | None, inp: VerdictIn) -> Figure | None:
    """A limit as a figure: given, or expected ± the larger tolerance."""
    if value is None:
        return None
    if getattr(inp, key) is not None or inp.expected is None:
        return given(key, value)
    return derived(key, "expected ± max(absolute, relative·|expected|)", value, Method("prove.verdict"), expected=inp.expected)


def verdict(inp: VerdictIn, sources: dict[str, Figure] | None = None) -> VerdictOut:
    """Pass, marginal or fail, with a guard band of the expanded uncertainty. Method: prove.verdict."""
    g = Given(inp, sources)
    low, high = inp.limit_low, inp.limit_high
    if low is None and high is None:
        assert inp.expected is not None
        width = max(inp.tolerance_abs or 0.0, (inp.tolerance_frac or 0.0) * abs(inp.expected))
        low, high = inp.expected - width, inp.expected + width
    x = g("measured")
    u_m = meter_uncertainty(g("accuracy_frac"), x, g("digits_count"), g("resolution"))
    big_u = expanded(g("coverage_k"), u_m, g("expected_sd"))
    u = math.hypot(u_m.value, inp.expected_sd)
    inside = (low is None or x.value - big_u.value >= low - 1e-12) and (high is None or x.value + big_u.value <= high + 1e-12)
    outside = (low is not None and x.value + big_u.value < low - 1e-12) or (high is not None and x.value - big_u.value > high + 1e-12)
    margins = ([x.value - low] if low is not None else []) + ([high - x.value] if high is not None else [])
    ratio = (high - low) / (2 * big_u.value) if low is not None and high is not None and big_u.value > 0 else None
    return VerdictOut.of(
        verdict="pass" if inside else "fail" if outside else "marginal",
        expanded_uncertainty=big_u,
        limit_low=_limit("limit_low", low, inp),
        limit_high=_limit("limit_high", high, inp),
        margin=pick(
            says("distance-to-nearer-limit"),
            says("positive-inside"),
            min(margins),
            "",
            Method("prove.verdict"),
            measured=x,
            **({"limit_low": low} if low is not None else {}),
            **({"limit_high": high} if high is not None else {}),
        ),
        deviation=derived("deviation", "x − e", x.value - inp.expected, Method("prove.verdict", "definition"), measured=x, expected=inp.expected)
        if inp.expected is not None
        else None,
        conform_frac=derived(
            "conform_frac",
            "Φ((H − x)/u) − Φ((L − x)/u)",
            _conform(x.value, u, low, high),
            Method("prove.verdict", "normal distribution"),
            measured=x,
            expanded_uncertainty=big_u,
        ),
        uncertainty_ratio=derived("uncertainty_ratio", "(H − L)/(2U), 4 or more is adequate", ratio, Method("prove.verdict"), expanded_uncertainty=big_u)
        if ratio is not None
        else None,
        meter_adequate=ratio >= 4 - 1e-9 if ratio is not None else None,
    )


class Ruling(NamedTuple):
    """What is said of a reading: see :class:`VerdictOut`."""

    verdict: VerdictWord
    expanded_uncertainty: float
    uncertainty_ratio: float | None
    meter_adequate: bool | None


@lru_cache(2048)
def ruling(
    measured: float,
    expected: float | None,
    low: float | None,
    high: float | None,
    accuracy_frac: float,
    digits_count: int,
    resolution: float,
    expected_sd: float = 0.0,
) -> Ruling:
    """The verdict on a reading against its limits, without its working: a report asks for the same hundreds each time that it is made."""
    out = verdict(
        VerdictIn.trusted(
            measured=measured,
            expected=expected,
            limit_low=low,
            limit_high=high,
            accuracy_frac=accuracy_frac,
            digits_count=digits_count,
            resolution=resolution,
            expected_sd=expected_sd,
        )
    )
    return Ruling(out.verdict, out.expanded_uncertainty, out.uncertainty_ratio, out.meter_adequate)
