"""Tasks from what a vehicle has: which exist, how long they take, and what each waits for (method build.tasks)."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Annotated, Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.build.schools import under
from bothy.core.build.templates import QUANTITIES, SCHOOLS, SETUP, TAGS, Template, library
from bothy.core.contract import Contract, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import build_says as says

TASKS = Method("build.tasks")


class Task(NamedTuple):
    """A task of a vehicle: its template, the three estimates in h, what it waits for (with or without the cure), the order that is preferred, and what it
    leaves inside surfaces."""

    template: Template
    hours: tuple[float, float, float]
    hard: Mapping[str, bool]
    pref: tuple[str, ...]
    inside: tuple[tuple[str, int], ...]

    @property
    def id(self) -> str:
        """Its id in the library."""
        return self.template.id


def lives(t: Template, tags: frozenset[str], schools: Mapping[str, str]) -> bool:
    """Whether a vehicle with these tags has this task under these schools."""
    if t.school is not None and schools[t.school[0]] != t.school[1]:
        return False
    return any(all((tag in tags) is wanted for tag, wanted in group) for group in t.trigger)


def usual_schools() -> dict[str, str]:
    """The usual school of each setting."""
    return {k: v[0] for k, v in SCHOOLS.items()}


def generate(
    tags: frozenset[str],
    quantities: Mapping[str, float],
    schools: Mapping[str, str],
    templates: Mapping[str, Template],
    inside: Mapping[str, Sequence[tuple[str, int]]] | None = None,
    without: frozenset[str] = frozenset(),
) -> list[Task]:
    """All tasks of a vehicle in the order of the work. ``inside``: what a task really leaves inside surfaces, where the routes are known; ``without``: tasks
    that are left out, and hand on what they waited for."""
    templates = under(templates, schools)
    live = {k: t for k, t in templates.items() if k not in without and lives(t, tags, schools)}
    memo: dict[tuple[str, bool], dict[str, bool]] = {}

    def resolve(p: str, wait: bool) -> dict[str, bool]:
        """A predecessor, or in its place those of one that this vehicle doesn't have."""
        if p in live:
            return {p: wait}
        if (p, True) not in memo:
            memo[p, True] = {}
            found: dict[str, bool] = {}
            if p in templates:
                for q, flag in templates[p].hard.items():
                    _union(found, resolve(q, flag))
            memo[p, True] = found
        return memo[p, True]

    left = {k: tuple((inside or {}).get(k, t.inside)) for k, t in live.items()}
    hard: dict[str, dict[str, bool]] = {}
    for k, t in live.items():
        mine: dict[str, bool] = {}
        for p, flag in t.hard.items():
            _union(mine, resolve(p, flag))
        for zone, layer in t.closes:
            for other, zones in left.items():
                if other != k and any(z == zone and j < layer for z, j in zones):
                    mine[other] = True
        mine.pop(k, None)
        hard[k] = mine
    pref = {k: tuple(p for p in t.pref if p in live and p not in hard[k]) for k, t in live.items()}
    order = _ordered(live, hard, pref)

    def scaled(t: Template) -> tuple[float, float, float]:
        q = quantities.get(t.scale or "")
        f = 1.0 if q is None else SETUP + (1 - SETUP) * q / t.scale_ref
        a, m, b = (h * f for h in t.hours)
        return a, m, b

    return [Task(live[k], scaled(live[k]), hard[k], pref[k], left[k]) for k in order]


def _union(into: dict[str, bool], more: Mapping[str, bool]) -> None:
    for k, v in more.items():
        into[k] = into.get(k, False) or v


def _ordered(live: Mapping[str, Template], hard: Mapping[str, Mapping[str, bool]], pref: Mapping[str, Sequence[str]]) -> list[str]:
    """Of the tasks that wait for nothing more, always the least by phase and row; a preference that would close a circle is dropped."""
    waiting = {k: set(hard[k]) | set(pref[k]) for k in live}
    out: list[str] = []
    while waiting:
        free = [k for k, w in waiting.items() if not w]
        if not free:  # only preferences can have closed a circle
            free = [k for k in waiting if not set(hard[k]) & set(waiting)]
            if not free:
                raise ValueError("the tasks wait for each other in a circle")
        k = min(free, key=lambda x: (live[x].phase_index, live[x].row))
        out.append(k)
        del waiting[k]
        for w in waiting.values():
            w.discard(k)
    return out


Positive = Annotated[float, Field(ge=0, le=1e5)]


class SchoolsIn(Contract):
    cables: Literal["before_lining", "after_furniture"] = "before_lining"
    floor_finish: Literal["before_furniture", "after_furniture"] = "before_furniture"
    vapour: Literal["barrier", "none"] = "barrier"
    shell: Literal["floor_first", "walls_first"] = "floor_first"
    insulation: Literal["after_first_fix", "before_first_fix"] = "after_first_fix"
    commissioning: Literal["per_service", "at_end"] = "per_service"


class TaskListIn(Contract):
    tags: list[str] = Field(max_length=100)
    quantities: dict[str, Positive] = {}
    schools: SchoolsIn = SchoolsIn()
    pace_factor: float = Field(1, gt=0, le=10)

    @model_validator(mode="after")
    def _known(self) -> Self:
        for t in self.tags:
            if t not in TAGS:
                raise wrong("tags", says("not-known-tags", t=t, tags=", ".join(sorted(TAGS))))
        for q in self.quantities:
            if q not in QUANTITIES:
                raise wrong("quantities", says("not-known-quantities", q=q, quantities=", ".join(sorted(QUANTITIES))))
        return self


class TaskOut(BaseModel):
    id: str
    phase: str
    licence: str
    optimistic_h: float
    likely_h: float
    pessimistic_h: float
    people_count: int
    predecessors: list[str]
    cure_wait: list[str]
    preferred: list[str]


class TaskListOut(Outcome):
    task_count: int
    edge_count: int
    total_likely_h: float
    bench_count: int
    licensed_count: int
    order: list[str]
    tasks: list[TaskOut]


def task_list(inp: TaskListIn, sources: dict[str, Figure] | None = None) -> TaskListOut:
    """The tasks of a vehicle. Method: build.tasks."""
    tasks = generate(frozenset(inp.tags), inp.quantities, inp.schools.model_dump(), library())
    f = inp.pace_factor
    total = sum(t.hours[1] for t in tasks) * f
    known = {t.id: t for t in tasks}

    def count(key: str, expression: str, value: float) -> Figure:
        return derived(key, expression, value, TASKS, tag_count=len(inp.tags))

    return TaskListOut.of(
        task_count=count("task_count", says("rows-library-whose-trigger"), len(tasks)),
        edge_count=count("edge_count", says("what-must-be-done"), sum(len(t.hard) for t in tasks)),
        total_likely_h=count("total_likely_h", "f·Σ likely·(0.3 + 0.7·amount/reference)", total),
        bench_count=count("bench_count", says("tests-on-bench"), sum(t.template.bench for t in tasks)),
        licensed_count=count("licensed_count", says("tasks-licensed-trade"), sum(t.template.licence != "none" for t in tasks)),
        order=[t.id for t in tasks],
        tasks=[
            TaskOut(
                id=t.id,
                phase=t.template.phase,
                licence=t.template.licence,
                optimistic_h=f * t.hours[0],
                likely_h=f * t.hours[1],
                pessimistic_h=f * t.hours[2],
                people_count=t.template.people,
                predecessors=sorted(t.hard),
                cure_wait=sorted(p for p, wait in t.hard.items() if wait and known[p].template.cure is not None),
                preferred=sorted(t.pref),
            )
            for t in tasks
        ],
    )
