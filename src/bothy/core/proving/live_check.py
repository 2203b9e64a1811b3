"""Whether live values follow what is expected: gaps, stuck, noise, drift, offset (method prove.live)."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import pairwise
from typing import Literal, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import proving_says as says

LIVE = Method("prove.live")
Flag = Literal["dropout", "stuck", "noise", "drift", "offset"]
LiveState = Literal["ok", "dropout", "stuck", "noise", "drift", "offset"]
BAD_SHARE = 0.2


class SampleIn(Contract):
    t_s: float = Field(ge=-1e12, le=1e12)
    value: float | None = Field(None, ge=-1e9, le=1e9)
    expected: float | None = Field(None, ge=-1e9, le=1e9)
    quality: Literal["good", "suspect", "bad"] = "good"

    @model_validator(mode="after")
    def _some(self) -> Self:
        if self.quality != "bad" and self.value is None:
            raise wrong("value", says("required-where-quality-isnt"))
        if self.quality != "bad" and self.expected is None:
            raise wrong("expected", says("required-where-quality-isnt"))
        return self


class LiveCheckIn(Contract):
    now_s: float = Field(ge=-1e12, le=1e12)
    samples: list[SampleIn] = Field(max_length=20000)
    noise_limit: float = Field(gt=0, le=1e9)
    offset_limit: float = Field(gt=0, le=1e9)
    dropout_s: float = Field(5, gt=0, le=1e6)
    stuck_count: Whole = Field(10, ge=2, le=10000)
    expected_moving: bool = False

    @model_validator(mode="after")
    def _rising(self) -> Self:
        times = [s.t_s for s in self.samples]
        if any(b <= a for a, b in pairwise(times)):
            raise wrong("t_s", says("must-rise-from-sample"))
        if times and self.now_s < times[-1]:
            raise wrong("now_s", says("lies-before-last-sample", times=times[-1]))
        return self


class LiveCheckOut(Outcome):
    state: LiveState
    flags: list[Flag]
    used_count: int
    max_gap_s: float | None
    longest_run_count: int
    offset: float | None
    drift_per_h: float | None
    noise_sd: float | None


class Window(NamedTuple):
    """What a window of samples says."""

    flags: list[Flag]
    used: int
    gap_s: float | None
    run: int
    offset: float | None
    slope: float | None
    noise: float | None


def longest_run(values: Sequence[float]) -> int:
    """The longest series of exactly equal values."""
    best = run = 0
    for i, v in enumerate(values):
        run = run + 1 if i and v == values[i - 1] else 1
        best = max(best, run)
    return best


def _line(t: Sequence[float], r: Sequence[float]) -> tuple[float, float, float, float]:
    """Least squares: mean, slope, standard deviation about the line, standard error of the slope."""
    n = len(t)
    mid, mean = sum(t) / n, sum(r) / n
    spread = sum((x - mid) ** 2 for x in t)
    slope = sum((x - mid) * (y - mean) for x, y in zip(t, r, strict=True)) / spread
    rest = sum((y - mean - slope * (x - mid)) ** 2 for x, y in zip(t, r, strict=True))
    sd = math.sqrt(rest / (n - 2))
    return mean, slope, sd, sd / math.sqrt(spread)


def checked(
    now: float,
    used: Sequence[tuple[float, float, float]],
    all_count: int,
    noise_limit: float,
    offset_limit: float,
    dropout_s: float,
    stuck_count: int,
    moving: bool,
) -> Window:
    """A window of (time, value, expected) that are not bad, of ``all_count`` samples."""
    flags: list[Flag] = []
    times = [t for t, _, _ in used]
    gap = max([b - a for a, b in pairwise(times)] + [now - times[-1]]) if times else None
    if gap is None or gap > dropout_s or (all_count and (all_count - len(used)) / all_count > BAD_SHARE):
        flags.append("dropout")
    run = longest_run([v for _, v, _ in used])
    if moving and run >= stuck_count:
        flags.append("stuck")
    rest = [v - e for _, v, e in used]
    if len(used) < 3:
        mean = sum(rest) / len(rest) if rest else None
        return Window(flags, len(used), gap, run, None if len(used) < 3 else mean, None, None)
    mean, slope, sd, error = _line(times, rest)
    if sd > noise_limit:
        flags.append("noise")
    if abs(slope) * (times[-1] - times[0]) > offset_limit and abs(slope) > 3 * error:
        flags.append("drift")
    if abs(mean) > offset_limit:
        flags.append("offset")
    return Window(flags, len(used), gap, run, mean, slope, sd)


def live_check(inp: LiveCheckIn, sources: dict[str, Figure] | None = None) -> LiveCheckOut:
    """Whether a live value can be trusted: what it does against what is expected. Method: prove.live."""
    used = [(s.t_s, s.value, s.expected) for s in inp.samples if s.quality != "bad" and s.value is not None and s.expected is not None]
    w = checked(inp.now_s, used, len(inp.samples), inp.noise_limit, inp.offset_limit, inp.dropout_s, int(inp.stuck_count), inp.expected_moving)
    count = len(used)
    return LiveCheckOut.of(
        state=w.flags[0] if w.flags else "ok",
        flags=w.flags,
        used_count=derived("used_count", says("samples-that-arent-bad"), w.used, LIVE, sample_count=len(inp.samples)),
        max_gap_s=None if w.gap_s is None else derived("max_gap_s", says("longest-step-between-samples"), w.gap_s, LIVE, sample_count=count),
        longest_run_count=derived("longest_run_count", says("equal-values-in-row"), w.run, LIVE, sample_count=count),
        offset=None if w.offset is None else derived("offset", says("mean-value-expected"), w.offset, LIVE, sample_count=count),
        drift_per_h=None if w.slope is None else derived("drift_per_h", says("slope-value-expected"), w.slope * 3600, LIVE, sample_count=count),
        noise_sd=None if w.noise is None else derived("noise_sd", "√(Σ(r − fit)²/(n − 2))", w.noise, LIVE, sample_count=count),
    )
