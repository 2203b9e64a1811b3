"""How long a task takes, from three estimates (method build.estimate)."""

from __future__ import annotations

from math import sqrt
from typing import Literal, Self

from pydantic import Field, model_validator
from scipy.special import ndtri

from bothy.core.contract import Contract, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import build_says as says

Distribution = Literal["triangular", "beta"]
ESTIMATE = Method("build.estimate")


def mean_of(a: float, m: float, b: float, beta: bool = False) -> float:
    """Mean of a low, likely and high estimate."""
    return (a + 4 * m + b) / 6 if beta else (a + m + b) / 3


def variance_of(a: float, m: float, b: float, beta: bool = False) -> float:
    """Variance of them."""
    return ((b - a) / 6) ** 2 if beta else (a * a + m * m + b * b - a * m - a * b - m * b) / 18


def quantile_of(a: float, m: float, b: float, q: float, beta: bool = False) -> float:
    """What it takes at most in a part ``q`` of the cases."""
    if b <= a:
        return a
    if beta:
        return min(b, max(a, mean_of(a, m, b, True) + float(ndtri(q)) * (b - a) / 6))
    f = (m - a) / (b - a)
    return a + sqrt(q * (b - a) * (m - a)) if q <= f else b - sqrt((1 - q) * (b - a) * (b - m))


class ThreeIn(Contract):
    optimistic_h: float = Field(ge=0, le=10000)
    likely_h: float = Field(ge=0, le=10000)
    pessimistic_h: float = Field(ge=0, le=10000)

    @model_validator(mode="after")
    def _rise(self) -> Self:
        if self.optimistic_h > self.likely_h:
            raise wrong("likely_h", says("must-be-at-least", optimistic_h=self.optimistic_h))
        if self.likely_h > self.pessimistic_h:
            raise wrong("pessimistic_h", says("must-be-at-least-likely", likely_h=self.likely_h))
        return self

    @property
    def three(self) -> tuple[float, float, float]:
        """The three estimates in h."""
        return self.optimistic_h, self.likely_h, self.pessimistic_h


class PertIn(ThreeIn):
    distribution: Distribution = "triangular"
    quantile_frac: float = Field(0.9, gt=0, lt=1)
    pace_factor: float = Field(1, gt=0, le=10)


class PertOut(Outcome):
    mean_h: float
    sd_h: float
    variance_h2: float
    quantile_h: float


def pert(inp: PertIn, sources: dict[str, Figure] | None = None) -> PertOut:
    """Mean, spread and quantile of a task. Method: build.estimate."""
    beta, f, three = inp.distribution == "beta", inp.pace_factor, inp.three
    mean, var = f * mean_of(*three, beta), f * f * variance_of(*three, beta)
    given = {"optimistic_h": three[0], "likely_h": three[1], "pessimistic_h": three[2], "pace_factor": f}
    return PertOut.of(
        mean_h=derived("mean_h", "f·(a + 4m + b)/6" if beta else "f·(a + m + b)/3", mean, ESTIMATE, **given),
        sd_h=derived("sd_h", "√variance", sqrt(var), ESTIMATE, variance_h2=var),
        variance_h2=derived("variance_h2", "f²·((b − a)/6)²" if beta else "f²·(a² + m² + b² − am − ab − bm)/18", var, ESTIMATE, **given),
        quantile_h=derived("quantile_h", "f·quantile", f * quantile_of(*three, inp.quantile_frac, beta), ESTIMATE, quantile_frac=inp.quantile_frac, **given),
    )
