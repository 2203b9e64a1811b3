"""Tasks that wait for each other: earliest and latest times, slack and the chain that governs (method build.critical-path)."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from graphlib import CycleError, TopologicalSorter
from typing import Any, NamedTuple, Self

from pydantic import BaseModel, Field, field_validator, model_validator

from bothy.core.contract import EPS, Contract, Outcome, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import build_says as says

PATH = Method("build.critical-path")


class Times(NamedTuple):
    """Earliest and latest start and finish of a task, its slack and whether the end hangs on it, h."""

    es: float
    ef: float
    ls: float
    lf: float
    total: float
    free: float
    critical: bool


def cycle_in(before: Mapping[str, Mapping[str, float]]) -> list[str] | None:
    """The ids of a loop, in its order; None where there is none."""
    try:
        tuple(TopologicalSorter({k: list(v) for k, v in before.items()}).static_order())
    except CycleError as exc:
        return list(exc.args[1])[::-1][:-1]
    return None


def times(durations: Mapping[str, float], before: Mapping[str, Mapping[str, float]], end: float | None = None) -> tuple[dict[str, Times], float]:
    """Times of each task (durations and lags in h), and the whole length. ``before``: task -> its predecessors with their lag."""
    order = list(TopologicalSorter({k: list(before.get(k, {})) for k in durations}).static_order())
    es: dict[str, float] = {}
    for k in order:
        es[k] = max([0.0, *(es[p] + durations[p] + lag for p, lag in before.get(k, {}).items())])
    ef = {k: es[k] + durations[k] for k in order}
    whole = max(ef.values(), default=0.0)
    last = whole if end is None else end
    after: dict[str, list[tuple[str, float]]] = {k: [] for k in order}
    for k in order:
        for p, lag in before.get(k, {}).items():
            after[p].append((k, lag))
    ls: dict[str, float] = {}
    for k in reversed(order):
        ls[k] = min([last, *(ls[s] - lag for s, lag in after[k])]) - durations[k]
    out = {}
    for k in durations:
        free = min((es[s] - lag for s, lag in after[k]), default=last) - ef[k]
        total = ls[k] - es[k]
        out[k] = Times(es[k], ef[k], ls[k], ls[k] + durations[k], total, free, total - (last - whole) <= EPS)
    return out, whole


def governing(durations: Mapping[str, float], before: Mapping[str, Mapping[str, float]], found: Mapping[str, Times]) -> list[str]:
    """One chain that the end hangs on, in the order of the input where several do."""
    at = next((k for k in durations if found[k].critical and abs(found[k].es) <= EPS), None)
    out = []
    while at is not None:
        out.append(at)
        here = at
        at = next(
            (k for k in durations if found[k].critical and here in before.get(k, {}) and abs(found[k].es - found[here].ef - before[k][here]) <= EPS), None
        )
    return out


class WaitIn(Contract):
    id: str = Field(min_length=1, max_length=200)
    lag_h: float = Field(0, ge=0, le=10000)


def waits(value: Any) -> Any:
    """Predecessors as ids, or as ids with a lag."""
    return [{"id": x} if isinstance(x, str) else x for x in value] if isinstance(value, list) else value


def merged(rows: Sequence[WaitIn]) -> dict[str, float]:
    """Predecessors once each, with the larger lag."""
    out: dict[str, float] = {}
    for w in rows:
        out[w.id] = max(w.lag_h, out.get(w.id, 0.0))
    return out


def known_and_acyclic(tasks: Mapping[str, Mapping[str, float]]) -> None:
    """Refuses a predecessor that doesn't exist, and a loop, naming its ids."""
    for k, before in tasks.items():
        for p in before:
            if p not in tasks:
                raise wrong("predecessors", says("waits-for-which-does", k=k, p=p))
    loop = cycle_in(tasks)
    if loop:
        raise wrong("predecessors", says("go-round-in-circle", value=" → ".join([*loop, loop[0]])))


class PathTaskIn(Contract):
    id: str = Field(min_length=1, max_length=200)
    duration_h: float = Field(ge=0, le=100000)
    predecessors: list[WaitIn] = Field([], max_length=500)

    _split = field_validator("predecessors", mode="before")(waits)


class CriticalPathIn(Contract):
    tasks: list[PathTaskIn] = Field(min_length=1, max_length=500)
    deadline_h: float | None = Field(None, ge=0, le=1e6)

    @model_validator(mode="after")
    def _graph(self) -> Self:
        unique_ids(t.id for t in self.tasks)
        known_and_acyclic({t.id: merged(t.predecessors) for t in self.tasks})
        return self


class PathTaskOut(BaseModel):
    id: str
    es_h: float
    ef_h: float
    ls_h: float
    lf_h: float
    total_slack_h: float
    free_slack_h: float
    critical: bool


class CriticalPathOut(Outcome):
    makespan_h: float
    end_h: float
    tasks: list[PathTaskOut]
    critical_path: list[str]


def critical_path(inp: CriticalPathIn, sources: dict[str, Figure] | None = None) -> CriticalPathOut:
    """Earliest and latest times, and the chain that governs. Method: build.critical-path."""
    durations = {t.id: t.duration_h for t in inp.tasks}
    before = {t.id: merged(t.predecessors) for t in inp.tasks}
    found, whole = times(durations, before, inp.deadline_h)
    path = governing(durations, before, found)
    return CriticalPathOut.of(
        makespan_h=derived("makespan_h", says("latest-earliest-finishes"), whole, PATH, task_count=len(durations)),
        end_h=derived("end_h", says("deadline-else-makespan"), whole if inp.deadline_h is None else inp.deadline_h, PATH, makespan_h=whole),
        tasks=[
            PathTaskOut(id=k, es_h=t.es, ef_h=t.ef, ls_h=t.ls, lf_h=t.lf, total_slack_h=t.total, free_slack_h=t.free, critical=t.critical)
            for k, t in found.items()
        ],
        critical_path=path,
    )
