"""The list scheduler compiled, for thousands of plans of one build: the same rules as the planner, over tables (method build.schedule, build.finish).

It says when each task ends and what it was held by; why each date is what it is, the planner says of one plan.
"""

from __future__ import annotations

import datetime as dt
from collections.abc import Mapping, Sequence
from typing import Any, NamedTuple

import numpy as np

from bothy.core.build.calendar import LONGEST_CURE_H, SLOT_H, SLOTS, cure_hours
from bothy.core.build.hot_work import APART_SLOTS, IGNITES, SOLVENT
from bothy.core.build.plan import Planner
from bothy.core.build.task_list import Task
from bothy.core.jit import compiled

LICENCES = ("ac_electrician", "gas_fitter", "vehicle_engineer")
MOST_DRY_DAYS = 60
"""Of the longest task in the open that counts in full; what takes longer waits as this does."""
NO, SPARK, FUME = 0, 1, 2
NOTHING = -1


class Tables(NamedTuple):
    """A build as arrays. Tasks in the order of the work; hours from the first midnight; slots are half hours.

    ``before``: rows of (task, predecessor, table of its cure or −1), by task from ``first_before`` on; ``sooner`` the same of preferences, (task, other).
    """

    first_before: Any
    before: Any
    first_sooner: Any
    sooner: Any
    base_h: Any
    not_before_h: Any
    others: Any
    licence: Any
    dry: Any
    mask: Any
    kind: Any
    masks: Any
    cures: Any
    dry_month: Any
    dry_ahead: Any
    month: Any
    people: Any
    licensed: Any
    office: Any
    worth: Any
    next_free: Any
    next_licensed: Any
    first_slot: int


def _cure_table(p: Planner, material: str, inside: bool, hours_ended: Sequence[int]) -> np.ndarray:
    """For each slot at whose beginning work may end: when it has cured, h. ``hours_ended``: hours of a day at which that may be."""
    usual = np.full((13, 24), float(LONGEST_CURE_H))
    for m in set(p.months.tolist()):
        for hour in hours_ended:
            h = cure_hours(p.sky, material, m, hour, inside)
            usual[m, hour] = LONGEST_CURE_H if h is None else h
    ends = np.arange(p.n + 1)
    months = np.append(np.repeat(p.months, SLOTS), p.hours.at(p.n).month)
    out: np.ndarray = ends * SLOT_H + usual[months, ends % SLOTS // 2]
    for e in range(_reach(p)):
        at = p.hours.at(e)
        if at.hour in hours_ended:
            h = cure_hours(p.sky, material, at.month, at.hour, inside, at.date())
            out[e] = e * SLOT_H + (LONGEST_CURE_H if h is None else h)
    return out


def _reach(p: Planner) -> int:
    """Slots of the plan that the forecast reaches."""
    if not p.sky.coming:
        return 0
    return min(p.n, max(0, ((p.sky.coming[-1].day - p.hours.first).days + 1) * SLOTS))


def _dry_tables(p: Planner, wanted: bool) -> tuple[np.ndarray, np.ndarray]:
    """Days of waiting for dry ones: by month and length of the work in days, and by slot as far as the forecast reaches."""
    by_month = np.zeros((13, MOST_DRY_DAYS + 1))
    if not wanted:
        return by_month, np.zeros((0, MOST_DRY_DAYS + 1))
    for m in range(1, 13):
        for d in range(1, MOST_DRY_DAYS + 1):
            by_month[m, d] = p.sky.wait_days(m, d)
    ahead = np.zeros((0 if p.sky.hall else _reach(p), MOST_DRY_DAYS + 1))
    for s in range(len(ahead)):
        here = p.hours.at(s)
        for d in range(1, MOST_DRY_DAYS + 1):
            ahead[s, d] = p.dry_after(here, d)
    return by_month, ahead


def _others(p: Planner, t: Task) -> tuple[int, int]:
    """How many people of the build a task takes, and which licence it wants (−1: none)."""
    x, there = t.template, int(p.hours.people.max(initial=0))
    licence = LICENCES.index(x.licence) if x.licence in LICENCES else NOTHING
    others = x.people - 1 if licence != NOTHING else x.people
    return (min(others, there) if licence != NOTHING or there > 0 else others), licence


def _following(usable: np.ndarray) -> np.ndarray:
    """For each slot the next that is usable, itself included; behind the last the number of slots."""
    n = len(usable)
    at = np.where(usable, np.arange(n), n)
    return np.append(np.minimum.accumulate(at[::-1])[::-1], n).astype(np.int32)


def tables_of(p: Planner, keys: list[str]) -> Tables:
    """The tables of a planner for the tasks ``keys`` that are still to do, in the order of the work."""
    at = {k: i for i, k in enumerate(keys)}
    midnight = dt.datetime.combine(p.hours.first, dt.time())

    def hours(when: dt.datetime) -> float:
        return (when - midnight).total_seconds() / 3600

    usable = (p.hours.people > 0) | p.office()
    for v in p.hours.licensed.values():
        usable = usable | v
    ended = sorted(set(((np.flatnonzero(usable) + 1) % SLOTS // 2).tolist()))
    cures: list[np.ndarray] = []
    cure_at: dict[tuple[str, bool], int] = {}
    masks: list[np.ndarray] = []
    mask_at: dict[int, int] = {}
    before, first_before, sooner, first_sooner = [], [0], [], [0]
    base, later, others, licence, dry, mask, kind = [], [], [], [], [], [], []
    for k in keys:
        t, x = p.tasks[k], p.tasks[k].template
        ready = p.begin
        for q, wait in t.hard.items():
            if q in at:
                other = p.tasks[q].template
                table = NOTHING
                if wait and other.cure is not None:
                    key = (other.cure, not other.outdoor)
                    if key not in cure_at:
                        cure_at[key] = len(cures)
                        cures.append(_cure_table(p, *key, ended))
                    table = cure_at[key]
                before.append((at[q], table))
            elif q in p.tasks:
                s = p.states.get(q)
                ready = max(ready, p.cured_by(q, wait, (s.finished if s else None) or p.begin)[0])
        first_before.append(len(before))
        sooner += [at[q] for q in t.pref if q in at]
        first_sooner.append(len(sooner))
        base.append(hours(ready))
        comes, pin = p.arrivals.get(k), p.pins.get(k)
        floors = [dt.datetime.combine(comes[0], dt.time(12))] if comes is not None else []
        floors += [dt.datetime.combine(pin, dt.time())] if pin is not None else []
        later.append(max([-1.0, *(hours(f) for f in floors)]))
        n, lic = _others(p, t)
        others.append(n)
        licence.append(lic)
        dry.append(x.outdoor and x.dry)
        suits = p.conditions(t)
        if suits is not None and id(suits) not in mask_at:
            mask_at[id(suits)] = len(masks)
            masks.append(suits)
        mask.append(NOTHING if suits is None else mask_at[id(suits)])
        kind.append(SPARK if k in IGNITES else FUME if k in SOLVENT else NO)
    by_month, ahead = _dry_tables(p, any(dry))
    return Tables(
        np.array(first_before, dtype=np.int32),
        np.array(before, dtype=np.int32).reshape(-1, 2),
        np.array(first_sooner, dtype=np.int32),
        np.array(sooner, dtype=np.int32),
        np.array(base),
        np.array(later),
        np.array(others, dtype=np.int16),
        np.array(licence, dtype=np.int8),
        np.array(dry, dtype=np.bool_),
        np.array(mask, dtype=np.int32),
        np.array(kind, dtype=np.int8),
        np.array(masks, dtype=np.bool_).reshape(len(masks), p.n),
        np.array(cures).reshape(len(cures), p.n + 1),
        by_month,
        ahead,
        p.months.astype(np.int8),
        p.hours.people.astype(np.int16),
        np.array([p.hours.licensed[k] for k in LICENCES], dtype=np.bool_),
        p.office(),
        p.hours.worth * SLOT_H,
        _following((p.hours.people > 0) & (p.hours.worth > 0)),
        np.array([*(_following(p.hours.licensed[k]) for k in LICENCES), _following(p.office())]),
        p.hours.slot_of(p.begin),
    )


@compiled
def _next(free: Any, s: int) -> int:
    """The next slot with somebody free, with the way to it shortened for the next who asks."""
    root = s
    while free[root] != root and root < len(free) - 1:
        root = free[root]
    while free[s] != root and s < root:
        s, free[s] = free[s], root
    return root


@compiled
def _take(i: int, slot: int, need: float, by_office: bool, tb: Any, people: Any, free: Any, licensed: Any, no_spark: Any, no_fume: Any, taken: Any) -> int:
    """Gather half hours for a task from a slot on into ``taken``; their number, or −1 where they don't suffice."""
    n, others, lic, m, kind = len(people), tb.others[i], tb.licence[i], tb.mask[i], tb.kind[i]
    count, reach, s = 0, 0.0, slot
    while True:
        if lic == NOTHING and others > 0:
            s = _next(free, s) if s < n else n
        elif lic != NOTHING and s < n:
            s = tb.next_licensed[3 if by_office else lic, s]
        if s >= n:
            return -1
        ok = others <= 0 or people[s] >= others
        if ok:
            if lic == NOTHING:
                ok = tb.worth[s] > 0
            elif by_office:
                ok = tb.office[s]
            else:
                ok = licensed[lic, s]
        if ok and m != NOTHING:
            ok = tb.masks[m, s]
        if ok and kind == SPARK:
            ok = not no_spark[s]
        elif ok and kind == FUME:
            ok = not no_fume[s]
        if ok:
            if count == 1 and need > SLOT_H and s != taken[0] + 1:  # nobody begins a longer task for the last half hour of a day
                count, reach = 0, 0.0
            taken[count] = s
            count += 1
            reach += tb.worth[s] if lic == NOTHING else SLOT_H
            if reach >= need - 1e-9:
                return count
        s += 1


@compiled
def schedule(tb: Any, durations: Any, urgent: Any, prefer: bool, end_h: Any, begin_h: Any, held: Any) -> float:
    """One plan. Fills when each task ends and begins in h (NaN: it finds no hours) and what it was held by; gives the end in h, −1 where nothing is done."""
    count, n = len(durations), len(tb.people)
    people, free, licensed = tb.people.copy(), tb.next_free.copy(), tb.licensed.copy()
    no_spark, no_fume = np.zeros(n, dtype=np.bool_), np.zeros(n, dtype=np.bool_)
    taken = np.empty(n, dtype=np.int32)
    placed = np.zeros(count, dtype=np.bool_)
    ended = np.zeros(count, dtype=np.bool_)
    end_h[:] = np.nan
    begin_h[:] = np.nan
    held[:] = NOTHING
    last = -1.0
    for _ in range(count):
        best, best_broken = NOTHING, False
        for i in range(count):
            if placed[i]:
                continue
            waits = False
            for r in range(tb.first_before[i], tb.first_before[i + 1]):
                if not ended[tb.before[r, 0]]:
                    waits = True
                    break
            if waits:
                continue
            broken = False
            if prefer:
                for r in range(tb.first_sooner[i], tb.first_sooner[i + 1]):
                    if not placed[tb.sooner[r]]:
                        broken = True
                        break
            if best == NOTHING or (best_broken and not broken):
                best, best_broken = i, broken
            elif broken == best_broken and (urgent[i] < urgent[best] or (urgent[i] == urgent[best] and durations[i] > durations[best])):
                best = i
        if best == NOTHING:
            break
        i = best
        placed[i] = True
        ready = tb.base_h[i]
        for r in range(tb.first_before[i], tb.first_before[i + 1]):
            j, table = tb.before[r, 0], tb.before[r, 1]
            since = end_h[j] if table == NOTHING else tb.cures[table, min(n, int(np.ceil(end_h[j] / SLOT_H - 1e-9)))]
            if since > ready:
                ready, held[i] = since, j
        if tb.not_before_h[i] > ready:
            ready, held[i] = tb.not_before_h[i], NOTHING
        need = durations[i]
        if need <= 0:
            end_h[i], begin_h[i], ended[i] = ready, ready, True
            last = max(last, ready)
            continue
        slot = max(tb.first_slot, int(np.ceil(ready / SLOT_H - 1e-9)))
        if tb.dry[i] and slot < n:
            days = min(MOST_DRY_DAYS, max(1, int(np.rint(need / 8))))
            waited = tb.dry_ahead[slot, days] if slot < len(tb.dry_ahead) else tb.dry_month[tb.month[slot // SLOTS], days]
            slot += int(np.rint(waited * SLOTS))
        if slot >= n:
            continue
        got = _take(i, slot, need, False, tb, people, free, licensed, no_spark, no_fume, taken)
        if got < 0 and tb.licence[i] != NOTHING:
            got = _take(i, slot, need, True, tb, people, free, licensed, no_spark, no_fume, taken)
        if got < 0:
            continue
        for c in range(got):
            s = taken[c]
            if tb.others[i] > 0:
                people[s] -= tb.others[i]
                if people[s] <= 0:
                    free[s] = s + 1
            if tb.licence[i] != NOTHING:
                licensed[tb.licence[i], s] = False
            if tb.kind[i] == FUME:
                no_spark[s : min(n, s + 1 + APART_SLOTS)] = True
            elif tb.kind[i] == SPARK:
                no_fume[max(0, s - APART_SLOTS) : s + 1] = True
        begin_h[i], end_h[i], ended[i] = taken[0] * SLOT_H, (taken[got - 1] + 1) * SLOT_H, True
        last = max(last, end_h[i])
    return last


@compiled
def many(tb: Any, durations: Any, urgent: Any, prefer: bool, governed: Any) -> Any:
    """The end in h of a plan for each row of ``durations``; counts in ``governed`` how often the end hung on each task."""
    runs, count = durations.shape
    ends = np.empty(runs)
    end_h, begin_h, held = np.empty(count), np.empty(count), np.empty(count, dtype=np.int32)
    for r in range(runs):
        ends[r] = schedule(tb, durations[r], urgent, prefer, end_h, begin_h, held)
        at, most = NOTHING, -1.0
        for i in range(count):
            if end_h[i] > most:
                at, most = i, end_h[i]
        while at != NOTHING:
            governed[at] += 1
            at = held[at]
    return ends


class Compiled:
    """A planner's build, ready for many plans."""

    def __init__(self, p: Planner, durations: Mapping[str, float]) -> None:
        """``durations``: any hours of work of the tasks that are still to do; only which they are counts."""
        self.planner = p
        self.keys = [k for k in p.order if k in durations]
        self.tables = tables_of(p, self.keys)
        self._end, self._begin, self._held = np.empty(len(self.keys)), np.empty(len(self.keys)), np.empty(len(self.keys), dtype=np.int32)

    def row(self, of: Mapping[str, float]) -> np.ndarray:
        """What is known by task as an array in its order."""
        return np.array([of[k] for k in self.keys])

    def when(self, hours: float) -> dt.datetime:
        """Hours from the first midnight as a time."""
        return dt.datetime.combine(self.planner.hours.first, dt.time()) + dt.timedelta(hours=hours)

    def ends(self, durations: np.ndarray, urgent: np.ndarray, prefer: bool) -> tuple[float, np.ndarray, np.ndarray]:
        """One plan: its end, and the begin and end of each task, h; NaN where it finds no hours. The arrays are the caller's."""
        last = schedule(self.tables, durations, urgent, prefer, self._end, self._begin, self._held)
        return last, self._begin.copy(), self._end.copy()

    def finishes(self, durations: np.ndarray, urgent: np.ndarray, prefer: bool) -> tuple[np.ndarray, np.ndarray]:
        """The end in h of a plan for each row of hours of work, and how often the end hung on each task."""
        governed = np.zeros(len(self.keys), dtype=np.int64)
        return many(self.tables, durations, urgent, prefer, governed), governed
