"""What the design document says of the build: who works when and where, by when, in which order, and what is known of the vehicle besides (method build)."""

from __future__ import annotations

import datetime as dt
from graphlib import CycleError, TopologicalSorter
from typing import Annotated, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from bothy.core.contract import Whole, unique_ids, wrong
from bothy.core.design.base import Doc, Id, Name
from bothy.core.words.says import design_says as says

TaskId = Annotated[str, Field(min_length=1, max_length=80)]
Licence = Literal["ac_electrician", "gas_fitter", "vehicle_engineer"]
Also = Literal["awning", "roof_rack", "swivel", "belted_seat", "upholstery", "carpet", "cavity_wax", "antenna", "registration"]
Zone = Literal["floor", "wall_left", "wall_right", "ceiling", "doors", "cabinet", "equipment_box"]
MOST_H = 10.0
"""What one person works in a day at most."""


def a_day(key: str, text: str | None) -> dt.date | None:
    """A day written as 2027-03-14. Raises the contract's error for ``key``."""
    if text is None:
        return None
    try:
        day = dt.date.fromisoformat(text)
    except ValueError:
        raise wrong(key, says("not-write-like", text=text)) from None
    if not 2000 <= day.year <= 2100:
        raise wrong(key, says("not-in-years-to", text=text))
    return day


class Session(Doc):
    """Hours of a weekday (0 Monday to 6 Sunday) that somebody works."""

    weekday: Whole = Field(ge=0, le=6)
    from_h: float = Field(ge=0, le=23.5)
    to_h: float = Field(ge=0.5, le=24)

    @model_validator(mode="after")
    def _rises(self) -> Self:
        if self.to_h <= self.from_h:
            raise wrong("to_h", says("must-be-after-from", from_h=self.from_h))
        if self.to_h - self.from_h > MOST_H:
            raise wrong("to_h", says("makes-session-nobody-works", to_h=self.to_h - self.from_h, most_h=MOST_H))
        return self


class Worker(Doc):
    """Somebody who works on it: usual hours or sessions of one's own, and the licences that one holds."""

    id: Id
    name: Name = "Builder"
    hours: Literal["evenings", "weekends", "full_time", "own"] = "weekends"
    sessions: list[Session] = Field([], max_length=28)
    licences: list[Licence] = Field([], max_length=3)
    from_day: str | None = Field(None, max_length=10)
    to_day: str | None = Field(None, max_length=10)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        first, last = a_day("from_day", self.from_day), a_day("to_day", self.to_day)
        if first is not None and last is not None and last < first:
            raise wrong("to_day", says("before-from", from_day=self.from_day))
        if self.hours == "own" and not self.sessions:
            raise wrong("sessions", says("has-hours-ones-own", self_name=self.name))
        for day in range(7):
            if sum(s.to_h - s.from_h for s in self.sessions if s.weekday == day) > MOST_H:
                raise wrong("sessions", says("would-work-more-than", self_name=self.name, most_h=MOST_H))
        return self


class Away(Doc):
    """Days without work: of one person, or (``who`` None) of all."""

    id: Id
    name: Name = "Away"
    first: str = Field(max_length=10)
    last: str = Field(max_length=10)
    who: Id | None = None

    @model_validator(mode="after")
    def _days(self) -> Self:
        first, last = a_day("first", self.first), a_day("last", self.last)
        if first is not None and last is not None and last < first:
            raise wrong("last", says("before-first", first=self.first))
        return self


class Visit(Doc):
    """A day on which a licensed trade comes."""

    id: Id
    name: Name = "Electrician"
    licence: Licence = "ac_electrician"
    day: str = Field(max_length=10)
    from_h: float = Field(9, ge=0, le=23)
    to_h: float = Field(17, ge=1, le=24)

    @model_validator(mode="after")
    def _rises(self) -> Self:
        a_day("day", self.day)
        if self.to_h <= self.from_h:
            raise wrong("to_h", says("must-be-after-from", from_h=self.from_h))
        return self


class OwnTask(Doc):
    """A task that the library doesn't know; it waits for the tasks it names, and those of ``before`` wait for it."""

    id: Id
    name: Name
    hours: float = Field(ge=0.25, le=500)
    people: Whole = Field(1, ge=1, le=4)
    after: list[TaskId] = Field([], max_length=40)
    before: list[TaskId] = Field([], max_length=40)
    outdoor: bool = False
    zone: Zone | None = None


class Pin(Doc):
    """A day before which a task doesn't begin."""

    task: TaskId
    day: str = Field(max_length=10)

    @model_validator(mode="after")
    def _is_a_day(self) -> Self:
        a_day("day", self.day)
        return self


class Baseline(Doc):
    """A plan that is kept to compare with: the day it was kept, when it ended, and from when to when each task was to be done."""

    day: str = Field(max_length=10)
    end: str = Field("", max_length=16)
    tasks: dict[TaskId, Annotated[list[Annotated[str, Field(max_length=16)]], Field(min_length=2, max_length=2)]] = Field({}, max_length=400)

    @model_validator(mode="after")
    def _days(self) -> Self:
        a_day("day", self.day)
        if self.end:
            try:
                dt.datetime.fromisoformat(self.end)
            except ValueError:
                raise wrong("end", says("not-time-write-like", end=self.end)) from None
        for pair in self.tasks.values():
            first, last = (a_day("tasks", x[:10]) for x in pair)
            if first is not None and last is not None and last < first:
                raise wrong("tasks", says("task-ends-on-before", pair=pair[1][:10], pair_2=pair[0][:10]))
        return self


class ComingDay(Doc):
    """A day that lies ahead, as a forecast has it: °C, and how likely rain is."""

    day: str = Field(max_length=10)
    low_c: float = Field(ge=-60, le=55)
    high_c: float = Field(ge=-60, le=60)
    rain_frac: float = Field(0, ge=0, le=1)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        a_day("day", self.day)
        if self.high_c < self.low_c:
            raise wrong("high_c", says("under-low-that", high_c=self.high_c, low_c=self.low_c))
        return self


BudgetKey = Annotated[str, StringConstraints(pattern=r"^[a-z][a-z_ -]{0,39}$")]
Money = Annotated[float, Field(ge=0, le=1e6)]


class Build(Doc):
    """Everything about the doing. ``own_way``: tasks that are left out of the plan, because they are done otherwise or were done before. ``order``: an order
    of the tasks that was searched for and taken; what isn't in it goes by its urgency. ``budgets``: money by service. ``coming``: the forecast of the days
    ahead, and ``coming_from`` who says so; beyond it the normals of the place count."""

    start_day: str | None = Field(None, max_length=10)
    deadline: str | None = Field(None, max_length=10)
    people: list[Worker] = Field([], max_length=8)
    away: list[Away] = Field([], max_length=60)
    visits: list[Visit] = Field([], max_length=40)
    own: list[OwnTask] = Field([], max_length=120)
    pins: list[Pin] = Field([], max_length=120)
    own_way: list[TaskId] = Field([], max_length=200)
    also: list[Also] = Field([], max_length=9)
    hall: bool = False
    hall_temp_c: float | None = Field(None, ge=-10, le=40)
    cables: Literal["before_lining", "after_furniture"] = "before_lining"
    floor_finish: Literal["before_furniture", "after_furniture"] = "before_furniture"
    vapour: Literal["barrier", "none"] | None = None
    shell: Literal["floor_first", "walls_first"] = "floor_first"
    insulation: Literal["after_first_fix", "before_first_fix"] = "after_first_fix"
    estimate: Literal["triangular", "beta"] = "triangular"
    buffers: Literal["project", "tasks"] = "project"
    commissioning: Literal["per_service", "at_end"] = "per_service"
    pace: float | None = Field(None, ge=0.2, le=5)
    budget: float | None = Field(None, ge=0, le=1e6)
    budgets: dict[BudgetKey, Money] = Field({}, max_length=40)
    order: list[TaskId] = Field([], max_length=400)
    baseline: Baseline | None = None
    coming: list[ComingDay] = Field([], max_length=16)
    coming_from: Annotated[str, Field(max_length=200)] = ""
    lead_days: Whole = Field(5, ge=0, le=365)
    buffer_days: Whole = Field(3, ge=0, le=90)

    @model_validator(mode="after")
    def _links(self) -> Self:
        start, end = a_day("start_day", self.start_day), a_day("deadline", self.deadline)
        if start is not None and end is not None and end < start:
            raise wrong("deadline", says("before-first-2", start_day=self.start_day))
        for items in (self.people, self.away, self.visits, self.own):
            unique_ids(x.id for x in items)
        who = {w.id for w in self.people}
        for a in self.away:
            if a.who is not None and a.who not in who:
                raise wrong("who", says("names-who-not-among", a_name=a.name, who=a.who))
        for x, y in zip(self.coming, self.coming[1:], strict=False):
            if y.day <= x.day:
                raise wrong("day", says("forecast-go-one-after", day=y.day, day_2=x.day))
        seen: set[str] = set()
        for p in self.pins:
            if p.task in seen:
                raise wrong("task", says("has-two-pins-task", task=p.task))
            seen.add(p.task)
        self._no_circle()
        return self

    def _no_circle(self) -> None:
        """Refuses own tasks that wait for each other in a circle."""
        mine = {o.id: {x.removeprefix("own-") for x in o.after} for o in self.own}
        for o in self.own:
            for b in o.before:
                if b.removeprefix("own-") in mine:
                    mine[b.removeprefix("own-")].add(o.id)
        try:
            TopologicalSorter(mine).prepare()
        except CycleError as exc:
            raise wrong("after", says("own-tasks-wait-for", reversed=" → ".join(reversed(exc.args[1])))) from None
