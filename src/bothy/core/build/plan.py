"""A plan: every task on its days, with the reasons of each date (method build.schedule)."""

from __future__ import annotations

import datetime as dt
from collections.abc import Mapping, Sequence
from typing import NamedTuple

import numpy as np

from bothy.core.build.calendar import LONGEST_CURE_H, SLOT_H, SLOTS, Hours, Sky, cure_hours, cure_hours_measured
from bothy.core.build.durations import mean_of, quantile_of
from bothy.core.build.hot_work import Apart
from bothy.core.build.network import times
from bothy.core.build.task_list import Task
from bothy.core.roof.curing import WET
from bothy.core.words.says import build_says as says

WORDS = {"ac_electrician": says("electrician"), "gas_fitter": says("gas-fitter"), "vehicle_engineer": says("vehicle-engineer")}
WEEK_H = 168.0


class State(NamedTuple):
    """What the log says of a task: the part that is done, hours spent, when it was finished, and the air that was measured then (°C, relative humidity)."""

    done: float
    spent_h: float
    finished: dt.datetime | None
    air: tuple[float, float | None] | None = None


class Planned(NamedTuple):
    """A task in the plan: pieces of work from slot to slot, when its cure is over, and why it begins when it does. Hours are of the clock and of the team."""

    task: Task
    hours: float
    pieces: tuple[tuple[int, int], ...]
    start: dt.datetime
    end: dt.datetime
    ready: dt.datetime
    reasons: tuple[str, ...]
    held_by: str | None
    stalls: bool
    ask: str
    """Whoever must be asked: a second person, a licensed trade without a day yet; empty: all are there."""


class Plan(NamedTuple):
    """All tasks that aren't done, by id; those that find no hours; the end; and the bound under which no plan can go."""

    rows: dict[str, Planned]
    impossible: dict[str, str]
    end: dt.datetime | None
    bound: dt.datetime | None


class Estimate(NamedTuple):
    """How a task's three estimates become hours: by which distribution, and whether each task has a reserve of its own (what does in four of five cases)."""

    beta: bool = False
    padded: bool = False

    def hours(self, t: Task) -> float:
        """Hours of the team for all of a task, at a pace of one."""
        return quantile_of(*t.hours, PADDED_FRAC, self.beta) if self.padded else mean_of(*t.hours, self.beta)


USUAL = Estimate()
PADDED_FRAC = 0.8


def remaining(t: Task, pace: float, state: State | None, by: Estimate = USUAL) -> float:
    """Hours of the team that a task still takes."""
    return max(0.0, by.hours(t) * pace * (1 - (state.done if state else 0.0)))


class Planner:
    """Places one task after the other, the one whose latest start is the least first."""

    def __init__(
        self,
        tasks: Sequence[Task],
        hours: Hours,
        sky: Sky,
        states: Mapping[str, State],
        pins: Mapping[str, dt.date],
        begin: dt.datetime,
        arrivals: Mapping[str, tuple[dt.date, str]] | None = None,
        order: Sequence[str] = (),
    ) -> None:
        """``arrivals``: for a task the last day on which something that it takes comes, and what that is; ``order``: one that was found to end sooner."""
        self.arrivals = arrivals or {}
        self.preferred = {k: i for i, k in enumerate(order)}
        self.lenient = False
        self.apart = Apart(len(hours.worth))
        self.tasks = {t.id: t for t in tasks}
        self.order = [t.id for t in tasks]
        self.hours, self.sky, self.states, self.pins, self.begin = hours, sky, states, pins, begin
        self.n = len(hours.worth)
        days = self.n // SLOTS
        self.months = np.array([(hours.first + dt.timedelta(days=d)).month for d in range(days)])
        self._masks: dict[tuple[object, ...], np.ndarray] = {}

    def conditions(self, t: Task) -> np.ndarray | None:
        """Half hours whose temperature and light suit a task; None: all do."""
        x = t.template
        if x.min_c is None and x.max_c is None and not (x.outdoor and x.daylight):
            return None
        key = (x.outdoor, x.min_c, x.max_c, x.daylight)
        if key not in self._masks:
            by_month = {m: self._suits(t, m, None) for m in set(self.months.tolist())}
            rows = [by_month[m] for m in self.months.tolist()]
            for c in self.sky.coming:
                at = (c.day - self.hours.first).days
                if 0 <= at < len(rows):
                    rows[at] = self._suits(t, c.day.month, c.day)
            self._masks[key] = np.concatenate(rows)
        return self._masks[key]

    def _suits(self, t: Task, month: int, day: dt.date | None) -> np.ndarray:
        """Half hours of a day of a month, or of a day of the forecast, that suit a task."""
        x = t.template
        temps = self.sky.temps(month, not x.outdoor, day)
        ok = np.ones(SLOTS, dtype=bool)
        if x.min_c is not None:
            ok &= temps >= x.min_c
        if x.max_c is not None:
            ok &= temps <= x.max_c
        if x.outdoor and x.daylight and not self.sky.hall:
            rise, fall = self.sky.light(month)
            at = (np.arange(SLOTS) + 0.5) * SLOT_H
            ok &= (at >= rise) & (at <= fall)
        return ok

    def cured_by(self, k: str, wait: bool, end: dt.datetime) -> tuple[dt.datetime, bool]:
        """When what comes after a task may begin, and whether its cure stalls."""
        cure = self.tasks[k].template.cure
        if not wait or cure is None:
            return end, False
        inside = not self.tasks[k].template.outdoor
        state = self.states.get(k)
        measured = state.air if state is not None and state.finished == end else None

        def after(begin: dt.datetime) -> dt.datetime | None:
            if measured is not None and begin == end:
                h = cure_hours_measured(self.sky, cure, begin, inside, measured)
                return None if h is None else begin + dt.timedelta(hours=h)
            h = cure_hours(self.sky, cure, begin.month, begin.hour, inside, begin.date())
            return None if h is None else begin + dt.timedelta(hours=h)

        ready = after(end)
        slow = ready is None
        ready = end + dt.timedelta(hours=LONGEST_CURE_H) if ready is None else ready
        for later in self._months_after(end):
            if later >= ready:
                break
            ready = min(ready, after(later) or ready)
        return ready, slow

    def _dry_days(self, slot: int, need_h: float) -> float:
        """Days of waiting for dry ones from a slot on."""
        here = self.hours.at(slot)
        days = max(1, round(need_h / 8))
        waited = self.dry_after(here, days)
        for later in self._months_after(here):
            until = (later - here).total_seconds() / 86_400
            if until >= waited:
                break
            waited = min(waited, until + self.sky.wait_days(later.month, days))
        return waited

    def dry_after(self, here: dt.datetime, days: int) -> float:
        """Days until so many dry ones in a row begin: by the forecast as far as it reaches, then by what is usual of the month."""
        day = here.date()
        if self.sky.hall or not self.sky.reaches(day):
            return self.sky.wait_days(here.month, days)
        last, run, at = self.sky.coming[-1].day, 0, day
        while at <= last:
            c = self.sky.forecast(at)
            run = 0 if c is not None and c.rain >= WET else run + 1
            if run == days:
                begin = at - dt.timedelta(days=days - 1)
                return 0.0 if begin == day else (dt.datetime.combine(begin, dt.time()) - here).total_seconds() / 86_400
            at += dt.timedelta(days=1)
        begun = last - dt.timedelta(days=run - 1) if run else last + dt.timedelta(days=1)
        rest = self.sky.wait_days(here.month, days - run) if days > run else 0.0
        return max(0.0, (dt.datetime.combine(begun, dt.time()) - here).total_seconds() / 86_400) + rest

    def _months_after(self, when: dt.datetime) -> list[dt.datetime]:
        """For the bound: the first of each of the next months, since what waits may do better in a drier or warmer one."""
        out: list[dt.datetime] = []
        for _ in range(12 if self.lenient else 0):
            when = dt.datetime(when.year + when.month // 12, when.month % 12 + 1, 1)
            out.append(when)
        return out

    def latest(self, durations: Mapping[str, float]) -> dict[str, float]:
        """The latest start of each task in hours of work, people aside: what is most urgent. Cures count by the hours that are worked in a week."""
        per_week = float(self.hours.worth[: 8 * 7 * SLOTS].sum()) * SLOT_H / 8
        share = max(0.05, per_week / WEEK_H)
        month = self.begin.month
        before: dict[str, dict[str, float]] = {}
        for k, t in self.tasks.items():
            row = {}
            for p, wait in t.hard.items():
                if p in durations:
                    c = self.tasks[p].template.cure if wait else None
                    row[p] = 0.0 if c is None else share * (cure_hours(self.sky, c, month, 12, not self.tasks[p].template.outdoor) or LONGEST_CURE_H)
            before[k] = row
        found, _ = times(durations, {k: before[k] for k in durations})
        # a test on the bench comes first: what is faulty goes back while it may
        urgent = {k: -1.0 if self.tasks[k].template.bench else x.ls for k, x in found.items()}
        return self._as_preferred(urgent) if self.preferred else urgent

    def _as_preferred(self, urgent: Mapping[str, float]) -> dict[str, float]:
        """Tasks of the order that was taken by their place in it; one that came since goes before the first of them that is less urgent."""
        known = sorted((k for k in urgent if k in self.preferred), key=self.preferred.__getitem__)
        at = {k: float(i) for i, k in enumerate(known)}
        for k, u in urgent.items():
            if k not in self.preferred:
                at[k] = next((i - 0.5 for i, x in enumerate(known) if urgent[x] >= u), float(len(known)))
        return at

    @property
    def prefers(self) -> bool:
        """Whether the preferred orders of the library count: an order that was found and taken stands over them."""
        return not self.preferred

    def run(self, durations: Mapping[str, float], explain: bool = True, urgent: Mapping[str, float] | None = None, prefer: bool | None = None) -> Plan:
        """A plan with these hours of work for each task that isn't done; ``urgent``: latest starts to go by, where they are known already; ``prefer``: whether
        what is better done first is placed first (None: unless an order was taken)."""
        prefer = self.prefers if prefer is None else prefer
        people = self.hours.people.copy()
        licensed = {k: v.copy() for k, v in self.hours.licensed.items()}
        worth = self.hours.worth * SLOT_H
        self.apart = Apart(self.n)
        urgent = self.latest(durations) if urgent is None else urgent
        rank = {k: i for i, k in enumerate(self.order)}
        finish: dict[str, dt.datetime] = {k: s.finished or self.begin for k, s in self.states.items() if k in self.tasks and k not in durations}
        rows: dict[str, Planned] = {}
        impossible: dict[str, str] = {}
        todo = set(durations)
        first = self.hours.slot_of(self.begin)
        while todo:
            free = [k for k in todo if all(p in finish or p not in self.tasks for p in self.tasks[k].hard)]
            if not free:
                for k in todo:
                    stuck = next((p for p in self.tasks[k].hard if p in impossible), None)
                    impossible[k] = (
                        says("waits-for-which-finds", template_name=self.tasks[stuck].template.name.lower()) if stuck else says("waits-for-something-else")
                    )
                break
            k = min(free, key=lambda x: (prefer and any(p in todo for p in self.tasks[x].pref), urgent[x], -durations[x], rank[x]))
            todo.discard(k)
            made = self._place(k, durations[k], people, licensed, worth, finish, first, explain)
            if isinstance(made, str):
                impossible[k] = made
                continue
            rows[k] = made
            finish[k] = made.end
        end = max((r.end for r in rows.values()), default=None)
        return Plan({k: rows[k] for k in self.order if k in rows}, impossible, end, self.bound(durations) if explain else None)

    def bound(self, durations: Mapping[str, float]) -> dt.datetime | None:
        """No plan ends sooner: neither what must come after what allows it, nor the hours that are there from the day on which what is left can begin."""
        soonest = self._soonest(durations)
        if not soonest:
            return None
        known = [max(x.end for x in soonest.values()), *([x] if (x := self._by_hours(durations, soonest)) is not None else [])]
        return max(known)

    def _soonest(self, durations: Mapping[str, float]) -> dict[str, Planned]:
        """Each task as soon as it could be if nobody were ever busy with something else, and rain and cures took the month that suits them."""
        self.lenient = True
        try:
            finish = {k: s.finished or self.begin for k, s in self.states.items() if k in self.tasks and k not in durations}
            first, worth, todo = self.hours.slot_of(self.begin), self.hours.worth * SLOT_H, set(durations)
            rows: dict[str, Planned] = {}
            while todo:
                free = [k for k in self.order if k in todo and all(p in finish or p not in self.tasks for p in self.tasks[k].hard)]
                if not free:
                    break
                for k in free:
                    todo.discard(k)
                    made = self._place(k, durations[k], self.hours.people, self.hours.licensed, worth, finish, first, False)
                    if not isinstance(made, str):
                        rows[k], finish[k] = made, made.end
            return rows
        finally:
            self.lenient = False

    def _by_hours(self, durations: Mapping[str, float], soonest: Mapping[str, Planned]) -> dt.datetime | None:
        """For every half hour: everything that can't begin before it takes its hours after it, with everybody who is entered at work without a wait."""
        there = int(self.hours.people.max(initial=0))
        need: dict[int, float] = {}
        for k, made in soonest.items():
            if made.pieces:
                x = self.tasks[k].template
                at = made.pieces[0][0]
                need[at] = need.get(at, 0.0) + durations[k] * min(there, x.people - 1 if x.licence in self.hours.licensed else x.people)
        given = np.concatenate([[0.0], np.cumsum(self.hours.worth * SLOT_H * self.hours.people)])
        left, last = 0.0, 0
        for at in sorted(need, reverse=True):
            left += need[at]
            last = max(last, int(np.searchsorted(given, given[at] + left - 1e-9)))
        return None if not last or last > self.n else self.hours.at(last)

    def _place(
        self,
        k: str,
        need_h: float,
        people: np.ndarray,
        licensed: dict[str, np.ndarray],
        worth: np.ndarray,
        finish: Mapping[str, dt.datetime],
        first: int,
        explain: bool,
    ) -> Planned | str:
        t, x = self.tasks[k], self.tasks[k].template
        ready, held, stalls = self.begin, None, False
        cured: tuple[str, dt.datetime] | None = None
        for p, wait in t.hard.items():
            if p not in finish:
                continue
            since, slow = self.cured_by(p, wait, finish[p])
            if since > ready:
                ready, held = since, p
                cured = (p, since) if since > finish[p] else None
            stalls = stalls or slow
        comes = self.arrivals.get(k)
        if comes is not None and dt.datetime.combine(comes[0], dt.time(12)) > ready:
            ready, held, cured = dt.datetime.combine(comes[0], dt.time(12)), None, None
        else:
            comes = None
        pin = self.pins.get(k)
        if pin is not None and dt.datetime.combine(pin, dt.time()) > ready:
            ready, held, cured = dt.datetime.combine(pin, dt.time()), None, None
        slot = max(first, self.hours.slot_of(ready))
        waited = 0.0
        if x.outdoor and x.dry and need_h > 0:
            waited = self._dry_days(slot, need_h)
            slot += int(round(waited * SLOTS))
        if need_h <= 0:
            return Planned(t, 0.0, (), ready, ready, self.cured_by(k, True, ready)[0], (says("nothing-left-to-do"),), held, stalls, "")
        if slot >= self.n:
            return says("would-come-later-than")
        licence = x.licence if x.licence in licensed else None
        others = x.people - 1 if licence is not None else x.people
        ask = ""
        there = int(self.hours.people.max(initial=0))
        if licence is None and 0 < there < others:  # a second pair of hands is asked for, and the day is planned as if it came
            ask, others = says("more-person-to-help", others=others - there), there
        elif licence is not None:
            others = min(others, there)
        free = people[slot:] >= others if others > 0 else np.ones(self.n - slot, dtype=bool)
        suits = self.conditions(t)
        apart = None if self.lenient else self.apart.allowed(k)
        if apart is not None:
            suits = apart if suits is None else suits & apart
        if licence is None:
            ok = free & (self.hours.worth[slot:] > 0)
        else:
            ok = free & licensed[licence][slot:]
        at, enough = self._enough(ok if suits is None else ok & suits[slot:], need_h, None if licence else worth[slot:])
        if licence is not None and enough >= len(at):  # no visit that is entered will do: the trade is asked for a working day
            ask = says("for-from-about", words=WORDS[licence], day=self.hours.at(slot).day, at=f"{self.hours.at(slot):%B}")
            ok = free & self.office()[slot:]
            at, enough = self._enough(ok if suits is None else ok & suits[slot:], need_h, None)
        if enough >= len(at):
            if not ok.any():
                return says("nobody-there-on-any")
            return says("never-warm-or-light") if suits is not None else says("no-hours-left")
        taken = slot + at[: enough + 1]
        if others > 0 and not self.lenient:
            people[taken] -= others
        if licence is not None and not self.lenient:
            licensed[licence][taken] = False
        breaks = np.flatnonzero(np.diff(taken) > 1)
        heads, tails = np.concatenate([[0], breaks + 1]), np.concatenate([breaks, [len(taken) - 1]])
        pieces = tuple((int(taken[a]), int(taken[b]) + 1) for a, b in zip(heads, tails, strict=True))
        if not self.lenient:
            self.apart.placed(k, pieces)
        start, end = self.hours.at(pieces[0][0]), self.hours.at(pieces[-1][1])
        after, slow = self.cured_by(k, True, end)
        reasons: tuple[str, ...] = ()
        if explain:
            reasons = self._why(t, start, ready, held, cured, waited, pin, ok, suits, slot, others, licence, ask, comes)
        return Planned(t, need_h, pieces, start, end, after, reasons, held, stalls or slow, ask)

    @staticmethod
    def _enough(usable: np.ndarray, need_h: float, worth: np.ndarray | None) -> tuple[np.ndarray, int]:
        """Half hours that can be used, and the index of the one with which the hours are enough (their number: they aren't)."""
        at = np.flatnonzero(usable)
        while need_h > SLOT_H and len(at) > 2 and at[1] != at[0] + 1:  # nobody begins a longer task for the last half hour of a day
            at = at[1:]
        reach = np.cumsum(np.full(len(at), SLOT_H) if worth is None else worth[at])
        return at, int(np.searchsorted(reach, need_h - 1e-9))

    def office(self) -> np.ndarray:
        """Half hours in which a trade comes that has no day yet: weekdays from 9 to 17."""
        key = ("office",)
        if key not in self._masks:
            days = self.n // SLOTS
            week = np.array([(self.hours.first + dt.timedelta(days=d)).weekday() < 5 for d in range(days)])
            at = np.arange(SLOTS) * SLOT_H
            self._masks[key] = (week[:, None] & ((at >= 9) & (at < 17))[None, :]).ravel()
        return self._masks[key]

    def _why(
        self,
        t: Task,
        begin: dt.datetime,
        ready: dt.datetime,
        held: str | None,
        cured: tuple[str, dt.datetime] | None,
        waited: float,
        pin: dt.date | None,
        ok: np.ndarray,
        suits: np.ndarray | None,
        slot: int,
        others: int,
        licence: str | None,
        ask: str,
        comes: tuple[dt.date, str] | None,
    ) -> tuple[str, ...]:
        """Why a task begins when it does, in words."""
        out = []
        if pin is not None and held is None and ready.date() == pin:
            out.append(says("you-pinned-to-or", pin=f"{pin:%a %d %b}"))
        elif comes is not None and held is None and ready.date() == comes[0]:
            out.append(says("waits-for-promised-for", comes=comes[1], comes_2=f"{comes[0]:%a %d %b}"))
        elif cured is not None:
            out.append(says("after-which-has-cured", said=_said(self.tasks[cured[0]]), cured=f"{cured[1]:%a %d %b %H:%M}"))
        elif held is not None:
            out.append(says("after-done", said=_said(self.tasks[held]), ready=f"{ready:%a %d %b %H:%M}"))
        else:
            out.append(says("nothing-must-be-done"))
        if waited >= 0.5:
            days = max(1, round(waited))
            by = says("by-forecast") if self.sky.reaches(ready.date()) and not self.sky.hall else f"in {begin:%B}"
            out.append(says("needs-dry-about-waiting", days=days, by=by))
        there = np.flatnonzero(ok)
        if ask:
            out.append(says("ask-planned-as-if", ask=ask))
        elif licence is not None:
            out.append(says("there-from", words=WORDS[licence].capitalize(), at=f"{self.hours.at(slot + int(there[0])):%a %d %b %H:%M}"))
        elif len(there) and there[0] > 0:
            who = says("somebody") if others <= 1 else says("people", others=others)
            out.append(says("free-from", who=who.capitalize(), at=f"{self.hours.at(slot + int(there[0])):%a %d %b %H:%M}"))
        if suits is not None and len(there):
            at = np.flatnonzero(ok & suits[slot:])
            if len(at) and at[0] > there[0]:
                low = f"{t.template.min_c:.0f} °C" if t.template.min_c is not None else "daylight"
                out.append(says("warm-or-light-enough", low=low, at=f"{self.hours.at(slot + int(at[0])):%a %d %b %H:%M}"))
        return tuple(out)


def _said(t: Task) -> str:
    return f"“{t.template.name}”"


def durations_of(tasks: Sequence[Task], pace: float, states: Mapping[str, State], by: Estimate = USUAL) -> dict[str, float]:
    """Hours that are left of each task that isn't done, on the grid of half hours."""
    out = {}
    for t in tasks:
        s = states.get(t.id)
        if s is not None and s.done >= 1:
            continue
        out[t.id] = -(-remaining(t, pace, s, by) // SLOT_H) * SLOT_H
    return out
