"""A plan that ends sooner: the same rules, another order of what is placed first (method build.schedule)."""

from __future__ import annotations

import datetime as dt
from collections.abc import Callable

import numpy as np
from pydantic import BaseModel

from bothy.core.build.asked import asked
from bothy.core.contract import quick
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.report import Report

TRIES, SEED, LOOKS = 30_000, 7, 200
SHAKES_H = (1.0, 4.0, 12.0, 40.0)
"""How far a try shakes the urgencies, hours."""
SHARES = (0.03, 0.1, 0.4, 1.0)
"""Of the tasks that it shakes."""


class BetterPart(BaseModel):
    """What was found: the end now, the soonest that was found and the bound under which none can go; days that it saves; days between it and the bound as
    a part of the whole; the order that gives it, empty where none is better; tasks that begin on another day."""

    now: str | None
    end: str | None
    bound: str | None
    saved_days: float
    gap: float | None
    tries: int
    order: list[str]
    moved: int


def _worth(last: float, ends: np.ndarray) -> tuple[float, float, float]:
    """The more finds hours the better, then the sooner the end, then the sooner everything is done on the whole: what is open late is what goes wrong late."""
    done = ~np.isnan(ends)
    return -float(done.sum()), last, float(ends[done].sum())


def better(d: Design, r: Report, facts: Facts, today: dt.date, tries: int = TRIES, going: Callable[[], bool] = lambda: True) -> BetterPart:
    """Search for an order that ends sooner; ends early when it meets the bound. ``going`` says whether to go on."""
    from bothy.core.build.compiled import Compiled  # brings a compiler of 70 MB, which most never need

    a = asked(d, r, facts, today, explain=False)
    hours = a.durations
    p = a.planner
    start, bound = a.plan, p.bound(hours)
    c = Compiled(p, hours)
    keys, rank, row = c.keys, {k: i for i, k in enumerate(p.order)}, c.row(hours)
    by = urgent = c.row(p.latest(hours))
    last, _, ends = c.ends(row, urgent, p.prefers)
    worth, done = _worth(last, ends), 0
    goal = None if bound is None else (bound - c.when(0.0)).total_seconds() / 3600
    rng = np.random.Generator(np.random.PCG64(SEED))
    while keys and start.end is not None and done < tries and (done % LOOKS or going()) and not (goal is not None and worth[1] <= goal + 1e-9):
        some = rng.random(len(keys)) < SHARES[done % len(SHARES)]
        tried = by + some * rng.normal(0.0, SHAKES_H[done // len(SHARES) % len(SHAKES_H)], len(keys))
        last, _, ends = c.ends(row, tried, False)
        done += 1
        if (then := _worth(last, ends)) <= worth:
            worth, by = then, tried
    found = {k: float(x) for k, x in zip(keys, by, strict=True)}
    best = start if by is urgent else p.run(hours, False, found, False)
    sooner = start.end is not None and best.end is not None and best.end < start.end
    rank = {k: i for i, k in enumerate(p.order)}
    order = sorted(keys, key=lambda k: (found[k], -hours[k], rank[k])) if sooner else []  # as the planner breaks ties
    whole = (best.end - a.begin).total_seconds() if best.end is not None else 0.0
    return quick(
        BetterPart,
        now=start.end.isoformat(timespec="minutes") if start.end else None,
        end=best.end.isoformat(timespec="minutes") if best.end else None,
        bound=bound.isoformat(timespec="minutes") if bound else None,
        saved_days=(start.end - best.end).total_seconds() / 86_400 if sooner and start.end and best.end else 0.0,
        gap=max(0.0, (best.end - bound).total_seconds() / whole) if best.end and bound and whole > 0 else None,
        tries=done,
        order=order,
        moved=sum(start.rows[k].start.date() != x.start.date() for k, x in best.rows.items() if k in start.rows) if sooner else 0,
    )
