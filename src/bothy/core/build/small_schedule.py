"""A handful of tasks with people and trades, in the least time, exactly (method build.schedule)."""

from __future__ import annotations

from itertools import pairwise
from typing import Any, Self

from pydantic import Field, field_validator, model_validator

from bothy.core.build.network import WaitIn, known_and_acyclic, merged, waits
from bothy.core.contract import Contract, Outcome, Whole, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import build_says as says

SCHEDULE = Method("build.schedule")
Count = Whole


class ShortTaskIn(Contract):
    id: str = Field(min_length=1, max_length=200)
    duration_h: Whole = Field(ge=0, le=200)
    needs: dict[str, Whole] = {}
    predecessors: list[WaitIn] = Field([], max_length=20)
    release_h: Whole = Field(0, ge=0, le=2000)

    _split = field_validator("predecessors", mode="before")(waits)


class AwayIn(Contract):
    resource: str = Field(min_length=1, max_length=200)
    from_h: Whole = Field(ge=0, le=2000)
    to_h: Whole = Field(ge=0, le=5000)
    count: Whole | None = Field(None, ge=0, le=50)


class ScheduleIn(Contract):
    resources: dict[str, Whole]
    tasks: list[ShortTaskIn] = Field(min_length=1, max_length=12)
    unavailable: list[AwayIn] = Field([], max_length=200)
    horizon_h: Whole = Field(500, ge=1, le=2000)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        unique_ids(t.id for t in self.tasks)
        for name, n in self.resources.items():
            if not 0 <= n <= 50:
                raise wrong("resources", says("has-give-to", name=name, n=n))
        for t in self.tasks:
            for name, n in t.needs.items():
                if name not in self.resources:
                    raise wrong("needs", says("needs-which-not-among", t_id=t.id, name=name))
                if not 0 <= n <= self.resources[name]:
                    raise wrong("needs", says("needs-and-there", t_id=t.id, n=n, name=name, resources=self.resources[name]))
            for w in t.predecessors:
                if w.lag_h != int(w.lag_h):
                    raise wrong("lag_h", says("must-be-whole-hours"))
        for a in self.unavailable:
            if a.resource not in self.resources:
                raise wrong("resource", says("not-among-resources", resource=a.resource))
            if a.to_h <= a.from_h:
                raise wrong("to_h", says("must-be-after-from", from_h=a.from_h))
        known_and_acyclic({t.id: merged(t.predecessors) for t in self.tasks})
        if _best(self) is None:
            raise wrong("horizon_h", says("nothing-fits-into-with", horizon_h=self.horizon_h))
        return self


class ScheduleOut(Outcome):
    makespan_h: int
    lower_bound_h: int
    start_h: dict[str, int]


def _model(inp: ScheduleIn) -> tuple[Any, list[Any], Any]:
    from ortools.sat.python import cp_model

    m = cp_model.CpModel()
    lags = {t.id: merged(t.predecessors) for t in inp.tasks}
    start = {t.id: m.new_int_var(t.release_h, max(t.release_h, inp.horizon_h - t.duration_h), t.id) for t in inp.tasks}
    size = {t.id: t.duration_h for t in inp.tasks}
    for t in inp.tasks:
        m.add(start[t.id] + t.duration_h <= inp.horizon_h)
        for p, lag in lags[t.id].items():
            m.add(start[t.id] >= start[p] + size[p] + int(lag))
    for name, capacity in inp.resources.items():
        spans = [(m.new_fixed_size_interval_var(start[t.id], t.duration_h, t.id), t.needs[name]) for t in inp.tasks if t.needs.get(name) and t.duration_h]
        away = [a for a in inp.unavailable if a.resource == name and a.from_h < inp.horizon_h]
        edges = sorted({a.from_h for a in away} | {a.to_h for a in away})
        blocked = []
        for x, y in pairwise(edges):
            off = sum(capacity if a.count is None else a.count for a in away if a.from_h <= x < a.to_h)
            if off:
                blocked.append((m.new_fixed_size_interval_var(x, y - x, f"{name}{x}"), min(capacity, off)))
        if spans:
            m.add_cumulative([i for i, _ in (*spans, *blocked)], [n for _, n in (*spans, *blocked)], capacity)
    end = m.new_int_var(0, inp.horizon_h, "end")
    m.add_max_equality(end, [start[t.id] + t.duration_h for t in inp.tasks])
    return m, [start[t.id] for t in inp.tasks], end


def _best(inp: ScheduleIn) -> tuple[int, dict[str, int]] | None:
    from ortools.sat.python import cp_model

    m, starts, end = _model(inp)
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = 1
    solver.parameters.random_seed = 1
    m.minimize(end)
    if solver.solve(m) != cp_model.OPTIMAL:
        return None
    least = int(solver.objective_value)
    m.add(end == least)
    out: dict[str, int] = {}
    for t, s in zip(inp.tasks, starts, strict=True):  # the first task as early as it goes, then the second …
        m.minimize(s)
        solver.solve(m)
        out[t.id] = int(solver.objective_value)
        m.add(s == out[t.id])
    return least, out


def schedule(inp: ScheduleIn, sources: dict[str, Figure] | None = None) -> ScheduleOut:
    """The shortest schedule, the earliest starts in the order of the list. Method: build.schedule."""
    found = _best(inp)
    assert found is not None
    least, starts = found
    lags = {t.id: merged(t.predecessors) for t in inp.tasks}
    size, release = {t.id: t.duration_h for t in inp.tasks}, {t.id: t.release_h for t in inp.tasks}
    finish: dict[str, int] = {}

    def done(k: str) -> int:
        if k not in finish:
            finish[k] = max([release[k], *(done(p) + int(lag) for p, lag in lags[k].items())]) + size[k]
        return finish[k]

    bound = max(done(k) for k in size)
    return ScheduleOut.of(
        makespan_h=derived("makespan_h", says("least-all-schedules-that"), least, SCHEDULE, task_count=len(size)),
        lower_bound_h=derived("lower_bound_h", says("as-if-there-were"), bound, SCHEDULE, task_count=len(size)),
        start_h={k: derived("start_h", says("earliest-in-that-makespan"), v, SCHEDULE, makespan_h=least) for k, v in starts.items()},
    )
