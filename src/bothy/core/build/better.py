"""A plan that ends sooner: the same rules, another order of what is placed first (method build.schedule)."""

from __future__ import annotations

import datetime as dt
from collections.abc import Callable

import numpy as np
from pydantic import BaseModel

from bothy.core.build.asked import asked
from bothy.core.build.plan import Plan, durations_of
from bothy.core.contract import quick
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.report import Report

TRIES, SEED = 900, 7
SHAKES_H = (1.0, 4.0, 12.0, 40.0)
"""How far a try shakes the urgencies, hours."""


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


def _worth(plan: Plan) -> tuple[dt.datetime, float]:
    """The sooner the end the better, then the sooner everything is done on the whole: what is open late is what goes wrong late."""
    assert plan.end is not None
    return plan.end, sum(r.end.timestamp() for r in plan.rows.values())


def better(d: Design, r: Report, facts: Facts, today: dt.date, tries: int = TRIES, going: Callable[[], bool] = lambda: True) -> BetterPart:
    """Search for an order that ends sooner; ends early when it meets the bound. ``going`` says whether to go on."""
    a = asked(d, r, facts, today, explain=False)
    hours = durations_of(a.tasks, a.pace.factor, a.states)
    p = a.planner
    start, bound = a.plan, p.bound(hours)
    urgent = p.latest(hours)
    best, by = start, urgent
    rng = np.random.Generator(np.random.PCG64(SEED))
    keys, done = list(urgent), 0
    while start.end is not None and done < tries and going() and not (bound is not None and best.end is not None and best.end <= bound):
        shake = float(rng.choice(SHAKES_H))
        some = rng.random(len(keys)) < rng.choice((0.1, 0.4, 1.0))
        noise = rng.normal(0.0, shake, len(keys))
        tried = {k: by[k] + (float(n) if on else 0.0) for k, n, on in zip(keys, noise, some, strict=True)}
        made = p.run(hours, False, tried)
        done += 1
        if made.end is not None and len(made.rows) >= len(best.rows) and _worth(made) <= _worth(best):
            best, by = made, tried
    sooner = start.end is not None and best.end is not None and best.end < start.end
    rank = {k: i for i, k in enumerate(p.order)}
    order = sorted(keys, key=lambda k: (by[k], -hours[k], rank[k])) if sooner else []  # as the planner breaks ties
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
