"""A design on a day: its tasks, what the log says of each, the pace, and the plan from here on."""

from __future__ import annotations

import datetime as dt
from collections.abc import Iterable, Mapping, Sequence
from typing import NamedTuple

from bothy.core.build.calendar import Sky, hours_of
from bothy.core.build.durations import mean_of
from bothy.core.build.from_design import tasks_of
from bothy.core.build.line import Line
from bothy.core.build.pace import Pace, learnt
from bothy.core.build.plan import Estimate, Plan, Planner, State, durations_of
from bothy.core.build.shopping import bill
from bothy.core.build.task_list import Task
from bothy.core.build.templates import whole_library
from bothy.core.context import Context
from bothy.core.design.build import Build
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.facts.kinds import LogEntry, Purchase
from bothy.core.report import Report
from bothy.core.roof.curing import coming_of

WORK_ENDS_H = 18


class Asked(NamedTuple):
    """A design on a day: the tasks, what the log says of each, the pace, the planner and the plan."""

    tasks: list[Task]
    states: dict[str, State]
    pace: Pace
    planner: Planner
    plan: Plan
    begin: dt.datetime
    estimate: Estimate

    @property
    def durations(self) -> dict[str, float]:
        """Hours that are left of each task, as the plan has them."""
        return durations_of(self.tasks, self.pace.factor, self.states, self.estimate)


def day_end(text: str, today: dt.date) -> dt.datetime:
    """The end of work of a day of the log; of today where it names none."""
    try:
        day = dt.date.fromisoformat(text[:10])
    except ValueError:
        day = today
    return dt.datetime.combine(day, dt.time(WORK_ENDS_H))


def is_day(text: str) -> bool:
    """Whether a text is a day as the log has it."""
    try:
        dt.date.fromisoformat(text)
    except ValueError:
        return False
    return True


def states_of(log: Iterable[LogEntry], today: dt.date) -> dict[str, State]:
    """What the log says of each task: hours add up, the last entry says how far it is."""
    out: dict[str, State] = {}
    for e in log:
        before = out.get(e.task, State(0.0, 0.0, None))
        air = before.air if e.temp_c is None else (e.temp_c, e.rh_frac)
        done = 1.0 if e.done_frac is None else e.done_frac
        out[e.task] = State(done, before.spent_h + e.hours, day_end(e.on, today) if done >= 1 else None, air)
    return out


def pace_of(b: Build, tasks: Sequence[Task], states: Mapping[str, State]) -> Pace:
    """The builder's pace from the log."""
    known = {t.id: t for t in tasks} | {k: Task(x, x.hours, {}, (), ()) for k, x in whole_library().items() if k not in {t.id for t in tasks}}
    logs = [
        (mean_of(*known[k].hours, b.estimate == "beta"), s.spent_h, min(1.0, s.done)) for k, s in states.items() if k in known and s.done > 0 and s.spent_h > 0
    ]
    return learnt([x for x in logs if x[0] > 0], b.pace or 1.0)


def here(p: Purchase) -> bool:
    """Whether all of a purchase has come, unbroken."""
    return p.status in ("received", "fitted", "spare") and (p.expected is None or p.received is None or p.received - p.damaged >= p.expected)


def arrivals_of(lines: Sequence[Line], facts: Facts, today: dt.date) -> dict[str, tuple[dt.date, str]]:
    """For each task the last day on which something that it takes is promised; what is overdue may come any day."""
    out: dict[str, tuple[dt.date, str]] = {}
    promised = {p.id: dt.date.fromisoformat(p.due_on) for p in facts.purchases if p.due_on and is_day(p.due_on) and p.status != "returned" and not here(p)}
    for line in lines:
        day = promised.get(line.key)
        if day is None or day <= today:
            continue
        for k in line.tasks:
            if k not in out or day > out[k][0]:
                out[k] = (day, line.name)
    return out


def first_day(b: Build, today: dt.date) -> dt.datetime:
    """When the plan begins: today, or the first day where that lies ahead."""
    start = dt.date.fromisoformat(b.start_day) if b.start_day else today
    return dt.datetime.combine(max(today, start), dt.time())


NOT_MADE = Plan({}, {}, None, None)


def asked(d: Design, r: Report, facts: Facts, today: dt.date, explain: bool = True, made: bool = True) -> Asked:
    """The plan of a design on a day; not ``made``: all that a plan takes, and none."""
    b = d.build
    tasks = tasks_of(d, r)
    states = states_of(facts.log, today)
    pace = pace_of(b, tasks, states)
    begin = first_day(b, today)
    sky = Sky(Context(d).climate, b.hall, b.hall_temp_c, coming_of(b))
    pins = {p.task: dt.date.fromisoformat(p.day) for p in b.pins}
    arrivals = arrivals_of(bill(d, r, facts, tasks), facts, today)
    planner = Planner(tasks, hours_of(b, begin.date()), sky, states, pins, begin, arrivals, b.order)
    by = Estimate(b.estimate == "beta", b.buffers == "tasks")
    out = Asked(tasks, states, pace, planner, NOT_MADE, begin, by)
    return out._replace(plan=planner.run(out.durations, explain)) if made else out
