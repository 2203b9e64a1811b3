"""The finish by simulation, and what the other school of each setting would cost: thousands of plans of one build (method build.finish)."""

from __future__ import annotations

import datetime as dt
from typing import TYPE_CHECKING

import numpy as np

from bothy.core.build.asked import Asked, asked
from bothy.core.build.from_design import schools_of
from bothy.core.build.part import FanPart, SchoolPart
from bothy.core.build.plan import durations_of
from bothy.core.build.templates import SCHOOLS
from bothy.core.contract import quick
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.report import Report

if TYPE_CHECKING:
    from bothy.core.build.compiled import Compiled

RUNS, SEED = 10_000, 42
FEWER = 2_000
"""Runs where two ways are laid beside each other."""
GRID_H = 0.5


def drawn_hours(a: Asked, keys: list[str], runs: int) -> np.ndarray:
    """Hours of work of each task in each run (runs × tasks): one pace a run for all, each task by its three estimates, on the grid of half hours."""
    rng = np.random.Generator(np.random.PCG64(SEED))
    pace = np.exp(rng.normal(np.log(a.pace.factor), a.pace.sd_ln, runs))
    out = np.empty((runs, len(keys)))
    of = {t.id: t.hours for t in a.tasks}
    for i, k in enumerate(keys):
        low, mode, high = of[k]
        left = 1 - (a.states[k].done if k in a.states else 0.0)
        if high <= low:
            out[:, i] = low
        elif a.estimate.beta:
            out[:, i] = low + (high - low) * rng.beta(1 + 4 * (mode - low) / (high - low), 1 + 4 * (high - mode) / (high - low), runs)
        else:
            out[:, i] = rng.triangular(low, mode, high, runs)
        out[:, i] *= left
    return np.ceil(out * pace[:, None] / GRID_H - 1e-9) * GRID_H


def finishes(a: Asked, runs: int) -> tuple[Compiled, np.ndarray, np.ndarray]:
    """The build compiled; the ends in h of all runs that end, rising; how often the end hung on each task."""
    from bothy.core.build.compiled import Compiled  # brings a compiler of 70 MB, which most never need

    base = durations_of(a.tasks, 1.0, a.states)
    c = Compiled(a.planner, base)
    if not c.keys:
        return c, np.zeros(0), np.zeros(0, dtype=np.int64)
    ends, governed = c.finishes(drawn_hours(a, c.keys, runs), c.row(a.planner.latest(base)), a.planner.prefers)
    return c, np.sort(ends[ends >= 0]), governed


def _at(ends: np.ndarray, q: float) -> float:
    return float(ends[min(len(ends) - 1, int(q * len(ends)))])


def fan(d: Design, r: Report, facts: Facts, today: dt.date, runs: int = RUNS) -> FanPart:
    """The finish by simulation: each run has one pace and its own hours for each task, and is planned with the same people and cures."""
    c, ends, governed = finishes(asked(d, r, facts, today, explain=False, made=False), runs)

    def day(q: float) -> str | None:
        return None if not len(ends) else c.when(_at(ends, q)).date().isoformat()

    chance = None
    if d.build.deadline and len(ends):
        past = dt.datetime.combine(dt.date.fromisoformat(d.build.deadline) + dt.timedelta(days=1), dt.time())
        chance = float(np.mean(ends < (past - c.when(0.0)).total_seconds() / 3600))
    top = sorted(((int(n), k) for k, n in zip(c.keys, governed.tolist(), strict=True) if n), key=lambda x: (-x[0], c.keys.index(x[1])))[:20]
    reserve = 0.0 if not len(ends) else (_at(ends, 0.8) - _at(ends, 0.5)) / 24
    return quick(
        FanPart,
        runs=runs,
        p10=day(0.1),
        p50=day(0.5),
        p80=day(0.8),
        p95=day(0.95),
        reserve_days=reserve,
        chance=chance,
        late={k: n / runs for n, k in top},
    )


def _planned(a: Asked) -> tuple[float, float | None]:
    """Hours of work and the end in h of the plan."""
    from bothy.core.build.compiled import Compiled

    hours = a.durations
    c = Compiled(a.planner, hours)
    if not c.keys:
        return 0.0, None
    last, _, _ = c.ends(c.row(hours), c.row(a.planner.latest(hours)), a.planner.prefers)
    return sum(hours.values()), None if last < 0 else last


def _promised(a: Asked) -> float | None:
    """The end that one would promise, in h: with a reserve in every task that of the plan, else the one that is kept in four of five cases."""
    if a.estimate.padded:
        return _planned(a)[1]
    _, ends, _ = finishes(a, FEWER)
    return _at(ends, 0.8) if len(ends) else None


def other_ways(d: Design, r: Report, facts: Facts, today: dt.date) -> list[SchoolPart]:
    """The other school of each setting: what it costs in hours of work and days of the finish. Of the buffers the days are between the ends one would
    promise: the plan's with a reserve in every task, and the one that is kept in four of five cases with the reserve at the end."""
    here = asked(d, r, facts, today, explain=False, made=False)
    mine, (hours, end), promised = schools_of(d), _planned(here), _promised(here)
    out = []
    for setting, choices in SCHOOLS.items():
        other = next(c for c in choices if c != mine[setting])
        there = asked(d.model_copy(update={"build": d.build.model_copy(update={setting: other})}), r, facts, today, explain=False, made=False)
        more_h, then = _planned(there)
        one, two = (promised, _promised(there)) if setting == "buffers" else (end, then)
        days = 0.0 if one is None or two is None else (two - one) / 24
        out.append(quick(SchoolPart, setting=setting, other=other, hours=more_h - hours, days=days))
    return out
