"""Which fault it is, by what was read, and which test tells most for its minutes (methods prove.diagnosis, prove.next-test)."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from itertools import pairwise
from typing import Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import BadInput, Contract, Outcome, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import proving_says as says

DIAGNOSIS, NEXT = Method("prove.diagnosis"), Method("prove.next-test")
LEAST_GAIN = 0.01
LAPSE = 0.02
STOP = 0.95
PRIOR_WEIGHT = 30.0


@dataclass(frozen=True)
class Test:
    """A test: for outcomes, the probability of each by fault; for readings, the value that each fault predicts with its spread."""

    __test__ = False
    id: str
    minutes: float = 1.0
    licensed: bool = False
    outcomes: tuple[str, ...] = ()
    rows: Mapping[str, Mapping[str, float]] = field(default_factory=dict)
    predicted: Mapping[str, float] = field(default_factory=dict)
    sd: float = 1.0
    span: float = 1.0
    edges: tuple[float, ...] = ()

    @property
    def numeric(self) -> bool:
        """Whether it is a reading."""
        return not self.outcomes


def phi(z: float) -> float:
    """The normal distribution."""
    return 0.5 * math.erfc(-z / math.sqrt(2))


def normalised(priors: Mapping[str, float]) -> dict[str, float]:
    """Priors that add to 1."""
    whole = sum(priors.values())
    return {k: v / whole for k, v in priors.items()}


def likelihood(t: Test, fault: str, outcome: str | None, reading: float | None, lapse: float) -> float:
    """How likely a result is with a fault; a tester's slip spreads evenly."""
    if not t.numeric:
        return (1 - lapse) * t.rows[fault].get(outcome or "", 0.0) + lapse / len(t.outcomes)
    z = ((reading or 0.0) - t.predicted[fault]) / t.sd
    return (1 - lapse) * math.exp(-0.5 * z * z) / (t.sd * math.sqrt(2 * math.pi)) + lapse / t.span


def entropy(p: Sequence[float]) -> float:
    """Bits of what isn't known."""
    return -sum(x * math.log2(x) for x in p if x > 0)


def gap_edges(values: Sequence[float], sd: float) -> tuple[float, ...]:
    """Where a reading is cut into bins: in the middle of gaps of more than two spreads between predictions."""
    rising = sorted(values)
    return tuple((a + b) / 2 for a, b in pairwise(rising) if b - a > 2 * sd)


def outcome_rows(t: Test, faults: Sequence[str]) -> list[list[float]]:
    """P(outcome | fault), a row a fault; readings cut at their edges."""
    if not t.numeric:
        return [[t.rows[f].get(o, 0.0) for o in t.outcomes] for f in faults]
    out = []
    for f in faults:
        cuts = [0.0, *(phi((e - t.predicted[f]) / t.sd) for e in t.edges), 1.0]
        out.append([b - a for a, b in pairwise(cuts)])
    return out


def gain(p: Mapping[str, float], t: Test, lapse: float = LAPSE) -> float:
    """Bits that a test is expected to tell."""
    faults = list(p)
    rows = outcome_rows(t, faults)
    k = len(rows[0])
    if k < 2:
        return 0.0
    left = 0.0
    for o in range(k):
        joint = [p[f] * ((1 - lapse) * rows[i][o] + lapse / k) for i, f in enumerate(faults)]
        whole = sum(joint)
        if whole > 0:
            left += whole * entropy([x / whole for x in joint])
    return max(0.0, entropy(list(p.values())) - left)


def updated(p: Mapping[str, float], t: Test, outcome: str | None, reading: float | None, lapse: float = LAPSE) -> tuple[dict[str, float], float]:
    """The probabilities after a result, and how likely the result was. Raises :class:`BadInput` where nothing could have brought it."""
    joint = {f: v * likelihood(t, f, outcome, reading, lapse) for f, v in p.items()}
    whole = sum(joint.values())
    if whole <= 0:
        raise BadInput("observations", says("no-fault-can-bring", t_id=t.id))
    return {f: v / whole for f, v in joint.items()}, whole


@dataclass(frozen=True, slots=True)
class Ranked:
    id: str
    gain: float
    minutes: float

    @property
    def rate(self) -> float:
        """Bits a minute."""
        return self.gain / self.minutes


def ranked(p: Mapping[str, float], tests: Sequence[Test], lapse: float = LAPSE) -> list[Ranked]:
    """Tests by bits a minute, then by bits, then as they come."""
    found = [(i, Ranked(t.id, gain(p, t, lapse), t.minutes)) for i, t in enumerate(tests)]
    return [r for _, r in sorted(found, key=lambda x: (-round(x[1].rate, 12), -round(x[1].gain, 12), x[0]))]


def learnt_priors(start: Mapping[str, float], counts: Mapping[str, int]) -> dict[str, float]:
    """Priors after recorded repairs: (30·p + count)/(30 + all)."""
    whole = PRIOR_WEIGHT + sum(counts.values())
    return {k: (PRIOR_WEIGHT * v + counts.get(k, 0)) / whole for k, v in start.items()}


class FaultPrior(Contract):
    id: str = Field(min_length=1, max_length=120)
    prior_frac: float = Field(ge=0, le=1)


class TestIn(Contract):
    __test__ = False
    id: str = Field(min_length=1, max_length=120)
    kind: Literal["categorical", "numeric"] = "categorical"
    likelihoods: dict[str, dict[str, float]] | None = None
    predicted: dict[str, float] | None = None
    sd: float | None = Field(None, gt=0, le=1e9)
    span: float | None = Field(None, gt=0, le=1e9)

    @model_validator(mode="after")
    def _whole(self) -> Self:
        if self.kind == "categorical":
            if not self.likelihoods:
                raise wrong("likelihoods", says("required-for-categorical-test"))
            for fault, row in self.likelihoods.items():
                if any(not 0 <= p <= 1 for p in row.values()) or abs(sum(row.values()) - 1) > 0.001:
                    raise wrong("likelihoods", says("must-lie-between-and", fault=fault))
        else:
            for key in ("predicted", "sd"):
                if getattr(self, key) is None:
                    raise wrong(key, says("required-for-numeric-test"))
        return self


class TimedTestIn(TestIn):
    time_min: float = Field(gt=0, le=1e6)
    licence_required: bool = False
    bin_edges: list[float] | None = Field(None, max_length=100)

    @model_validator(mode="after")
    def _edges(self) -> Self:
        if self.kind == "numeric":
            if self.bin_edges is None:
                raise wrong("bin_edges", says("required-for-numeric-test"))
            if any(b <= a for a, b in pairwise(self.bin_edges)):
                raise wrong("bin_edges", says("must-rise"))
        return self


class PosteriorTestIn(TestIn):
    @model_validator(mode="after")
    def _span(self) -> Self:
        if self.kind == "numeric" and self.span is None:
            raise wrong("span", says("required-for-numeric-test-range"))
        return self


class ObservationIn(Contract):
    test: str
    outcome: str | None = None
    reading: float | None = Field(None, ge=-1e9, le=1e9)


def _faults(faults: Sequence[FaultPrior]) -> dict[str, float]:
    unique_ids(f.id for f in faults)
    if not any(f.prior_frac > 0 for f in faults):
        raise wrong("prior_frac", says("must-be-above-for"))
    return normalised({f.id: f.prior_frac for f in faults})


def _covered(tests: Sequence[TestIn], faults: Sequence[FaultPrior]) -> None:
    unique_ids(t.id for t in tests)
    for t in tests:
        rows = t.likelihoods if t.kind == "categorical" else t.predicted
        for f in faults:
            if f.id not in (rows or {}):
                raise wrong("likelihoods" if t.kind == "categorical" else "predicted", says("test-says-nothing-fault", t_id=t.id, f_id=f.id))


def _test(t: TestIn) -> Test:
    outcomes = tuple(dict.fromkeys(o for row in (t.likelihoods or {}).values() for o in row)) if t.kind == "categorical" else ()
    timed = isinstance(t, TimedTestIn)
    return Test(
        t.id,
        t.time_min if isinstance(t, TimedTestIn) else 1.0,
        t.licence_required if isinstance(t, TimedTestIn) else False,
        outcomes,
        t.likelihoods or {},
        t.predicted or {},
        t.sd or 1.0,
        t.span or 1.0,
        tuple(t.bin_edges or ()) if timed and isinstance(t, TimedTestIn) else (),
    )


class PosteriorIn(Contract):
    faults: list[FaultPrior] = Field(min_length=1, max_length=200)
    tests: list[PosteriorTestIn] = Field([], max_length=500)
    observations: list[ObservationIn] = Field([], max_length=500)
    lapse_frac: float = Field(LAPSE, ge=0, le=0.5)

    @model_validator(mode="after")
    def _known(self) -> Self:
        _faults(self.faults)
        _covered(self.tests, self.faults)
        known = {t.id: _test(t) for t in self.tests}
        for o in self.observations:
            t = known.get(o.test)
            if t is None:
                raise wrong("test", says("no-test-this-list", test=o.test))
            if t.numeric and o.reading is None:
                raise wrong("reading", says("required-for", test=o.test))
            if not t.numeric and o.outcome not in t.outcomes:
                raise wrong("outcome", says("must-be-one", test=o.test, outcomes=", ".join(t.outcomes)))
        return self


class PosteriorRow(BaseModel):
    id: str
    posterior_frac: float


class PosteriorOut(Outcome):
    posteriors: list[PosteriorRow]
    top_id: str
    top_frac: float
    evidence: float
    entropy_bits: float


def posterior(inp: PosteriorIn, sources: dict[str, Figure] | None = None) -> PosteriorOut:
    """How probable each fault is after what was read. Method: prove.diagnosis."""
    p = _faults(inp.faults)
    tests = {t.id: _test(t) for t in inp.tests}
    evidence = 1.0
    for o in inp.observations:
        p, how_likely = updated(p, tests[o.test], o.outcome, o.reading, inp.lapse_frac)
        evidence *= how_likely
    order = {k: i for i, k in enumerate(p)}
    rows = sorted(p.items(), key=lambda x: (-round(x[1], 9), order[x[0]]))
    seen = len(inp.observations)
    return PosteriorOut.of(
        posteriors=[PosteriorRow(id=k, posterior_frac=v) for k, v in rows],
        top_id=rows[0][0],
        top_frac=derived("top_frac", "p·likelihood, over the sum of all", rows[0][1], DIAGNOSIS, observation_count=seen),
        evidence=derived("evidence", "product of Σ p·likelihood", evidence, DIAGNOSIS, observation_count=seen),
        entropy_bits=derived("entropy_bits", "−Σ p·log2 p", entropy(list(p.values())), DIAGNOSIS, fault_count=len(p)),
    )


class NextTestIn(Contract):
    faults: list[FaultPrior] = Field(min_length=1, max_length=200)
    tests: list[TimedTestIn] = Field(min_length=1, max_length=500)
    done: list[str] = Field([], max_length=500)
    include_licensed: bool = False
    stop_frac: float = Field(STOP, ge=0.5, le=1)
    lapse_frac: float = Field(LAPSE, ge=0, le=0.5)

    @model_validator(mode="after")
    def _known(self) -> Self:
        _faults(self.faults)
        _covered(self.tests, self.faults)
        return self


class RankRow(BaseModel):
    id: str
    gain_bits: float
    time_min: float
    gain_bits_per_min: float


class NextTestOut(Outcome):
    entropy_bits: float
    stop: bool
    best_id: str | None
    ranking: list[RankRow]


def next_test(inp: NextTestIn, sources: dict[str, Figure] | None = None) -> NextTestOut:
    """The test that tells most for its minutes. Method: prove.next-test."""
    p = _faults(inp.faults)
    open_ = [_test(t) for t in inp.tests if t.id not in inp.done and (inp.include_licensed or not t.licence_required)]
    ranking = ranked(p, open_, inp.lapse_frac)
    stop = max(p.values()) >= inp.stop_frac - 1e-12
    best = next((r.id for r in ranking if r.gain >= LEAST_GAIN), None)
    return NextTestOut.of(
        entropy_bits=derived("entropy_bits", "−Σ p·log2 p", entropy(list(p.values())), NEXT, fault_count=len(p)),
        stop=stop,
        best_id=None if stop else best,
        ranking=[RankRow(id=r.id, gain_bits=r.gain, time_min=r.minutes, gain_bits_per_min=r.rate) for r in ranking],
    )
