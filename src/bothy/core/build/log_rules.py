"""What was done out of its order, by whom it may not be done, or too soon after a bond: told from the log, before it costs a hand or a wall."""

from __future__ import annotations

import datetime as dt
from collections.abc import Iterator, Sequence

from bothy.core.build import rule_table  # noqa: F401  registers the rules
from bothy.core.build.asked import Asked, in_words, is_day
from bothy.core.build.calendar import people_of
from bothy.core.build.hot_work import HOT, SOLVENT
from bothy.core.build.part import BuyPart
from bothy.core.build.plan import WORDS
from bothy.core.build.way_in import barred
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.facts.kinds import LogEntry
from bothy.core.finding import Finding, finding
from bothy.core.report import Report

CUTS = ("cut-windows", "cut-roof", "cut-side", "cut-floor", "fit-through-hull")
CLOSES = ("insulate-ceiling", "insulate-walls", "insulate-spray", "line-ceiling", "line-wall-left", "line-wall-right")
BURNS = {
    "insulate-spray": "foam in the walls",
    "insulate-walls": "insulation in the walls",
    "insulate-ceiling": "insulation in the ceiling",
    "sf-battery-bank": "a connected battery",
    "gas-appliances": "gas on board",
}
"""Done -> what burns or sparks when metal is cut or ground afterwards."""
HEAVY = ("fit-solar", "fit-roof-ac", "fit-roof-fan", "underslung-tanks", "fit-awning")
"""What comes loose on the road where its bond lets go."""
RULE_OF = {"ac_electrician": "build-ac-licence", "gas_fitter": "build-gas-licence", "vehicle_engineer": "build-structure-licence"}


class _Log:
    """The log by task: what was begun and done, the first day of each, and its name."""

    def __init__(self, a: Asked, facts: Facts) -> None:
        self.a, self.names = a, {t.id: t.template.name for t in a.tasks}
        self.known = {t.id: t for t in a.tasks}
        self.days: dict[str, list[dt.date]] = {}
        for e in facts.log:
            if is_day(e.on[:10]):
                self.days.setdefault(e.task, []).append(dt.date.fromisoformat(e.on[:10]))

    def begun(self, k: str) -> bool:
        return k in self.known and k in self.a.states

    def done(self, k: str) -> bool:
        return k in self.a.states and self.a.states[k].done >= 1

    def lacks(self, k: str) -> bool:
        """Whether the vehicle has a task that isn't done."""
        return k in self.known and not self.done(k)

    def begun_of(self, keys: Sequence[str]) -> list[str]:
        return [k for k in keys if self.begun(k)]


def _order(log: _Log) -> Iterator[Finding]:
    """Steps that went before what makes them safe."""

    def tell(rule: str, k: str, words: str) -> Finding:
        return finding(rule, f"task:{k}", log.names[k], f"{log.names[k]} is {'done' if log.done(k) else 'begun'}, and {words}.")

    closed = log.begun_of(CLOSES)
    if closed and log.lacks("roof-water-test"):
        yield tell("build-no-water-test", closed[0], "no hose was held at the openings yet")
    for k in log.begun_of(CUTS):
        open_ones = [log.names[p].lower() for p in ("receive-parts", "mark-openings") if log.lacks(p)]
        if open_ones:
            yield tell("build-cut-unchecked", k, f"not done: {' and '.join(open_ones)}")
    bare = [k for k in log.known if log.begun(k) and "paint-edges" in log.known[k].hard and log.lacks("paint-edges")]
    if bare:
        yield tell("build-bare-edge", bare[0], "the cut edges are not painted: they rust under the seal")
    if log.begun("com-first-power") and log.lacks("com-dead-tests"):
        yield tell("build-battery-early", "com-first-power", "the dead tests are not: a short would be found by its fire")
    if log.begun("box-heater") and log.lacks("connect-ducts"):
        yield tell("build-duct-before-box", "box-heater", "the ducts are not on the heater")
    for k, t in log.known.items():
        bench = [p for p in t.hard if p in log.known and log.known[p].template.bench and log.lacks(p)]
        if log.begun(k) and bench:
            yield tell("build-no-bench-test", k, f"“{log.names[bench[0]]}” was left out: a faulty one comes out again")


def _too_soon(log: _Log) -> Iterator[Finding]:
    """What was begun before the bond under it had cured, by the forecast, the air that was measured or the normals."""
    for k, t in log.known.items():
        days = log.days.get(k)
        if not days or not log.begun(k):
            continue
        for p, wait in t.hard.items():
            state = log.a.states.get(p)
            if p not in log.known or not wait or state is None or state.finished is None or log.known[p].template.cure is None:
                continue
            ready, slow = log.a.planner.cured_by(p, wait, state.finished)
            first, done = min(days), state.finished
            # the log knows days: what is begun on the same day is too soon where it takes more than one
            early = dt.datetime.combine(first, dt.time(23, 59)) < ready if first > done.date() else ready >= done + dt.timedelta(days=1)
            if not early:
                continue
            rule = "build-bare-edge" if p == "paint-edges" else "build-cure-short"
            when = "not within forty days in that air" if slow else f"by {in_words(ready.date())} {ready:%H:%M}"
            yield finding(
                rule,
                f"task:{k}",
                log.names[k],
                f"{log.names[k]} was begun on {in_words(first)}; “{log.names[p]}” had cured {when}.",
                severity="danger" if p in HEAVY and rule == "build-cure-short" else None,
            )
            break


def _fire(log: _Log, entries: Sequence[LogEntry]) -> Iterator[Finding]:
    """Sparks beside what burns."""
    for k in HOT:
        burns = [words for b, words in BURNS.items() if log.done(b)]
        if log.lacks(k) and burns:
            yield finding(
                "build-hot-work",
                f"task:{k}",
                log.names[k],
                f"{log.names[k]} throws sparks or hot swarf and is still to come, with {burns[0]}.",
            )
            break
    solvent = {e.on[:10]: e.task for e in entries if e.task in SOLVENT and e.task in log.known}
    for e in entries:
        if e.task in HOT and e.task in log.known and e.on[:10] in solvent:
            other = log.names[solvent[e.on[:10]]]
            yield finding(
                "build-solvent-ignition",
                f"task:{e.task}",
                log.names[e.task],
                f"{log.names[e.task]} and {other[0].lower()}{other[1:]} stand in the log on the same day: fumes of one meet the sparks of the other.",
            )
            break


def _licences(d: Design, log: _Log, entries: Sequence[LogEntry]) -> Iterator[Finding]:
    """Licensed work that somebody entered as theirs who has no licence for it."""
    licences = {w.name.strip().lower(): w.licences for w in people_of(d.build)}
    told: set[str] = set()
    for e in entries:
        t = log.known.get(e.task)
        who = e.who.strip()
        if t is None or t.template.licence not in RULE_OF or e.task in told or who.lower() not in licences:
            continue
        if t.template.licence not in licences[who.lower()]:
            told.add(e.task)
            yield finding(
                RULE_OF[t.template.licence],
                f"task:{e.task}",
                log.names[e.task],
                f"{who} entered “{log.names[e.task]}” as done, without a licence for it; it is for {WORDS[t.template.licence]}.",
            )


def _visits(d: Design, a: Asked, today: dt.date) -> Iterator[Finding]:
    """A visit on which nothing can be done yet."""
    for v in d.build.visits:
        day = dt.date.fromisoformat(v.day)
        open_rows = [row for row in a.plan.rows.values() if row.task.template.licence == v.licence]
        if day < today or not open_rows:
            continue
        busy = any(a.planner.hours.at(i).date() <= day <= a.planner.hours.at(max(i, j - 1)).date() for row in open_rows for i, j in row.pieces)
        if busy:
            continue
        first = min(open_rows, key=lambda r: r.start)
        task, soonest = first.task.template.name, in_words(first.start.date())
        wait = [a.planner.tasks[p].template.name.lower() for p in first.task.hard if p in a.plan.rows]
        why = f"; before it: {', '.join(wait[:3])}" if wait and first.start.date() > day else ""
        yield finding(
            "build-trade-visit-idle",
            f"visit:{v.id}",
            v.name,
            f"{v.name} comes on {in_words(day)}, and nothing is ready: “{task}” begins on {soonest} by the plan{why}.",
        )


def _bought(shopping: Sequence[BuyPart], a: Asked, today: dt.date) -> Iterator[Finding]:
    """What is tested too late to go back, and what is in no length that is sold."""
    for x in shopping:
        if x.return_by is not None and x.bench and x.status == "received":
            test = a.plan.rows.get(x.task or "")
            if test is not None and test.start.date() > dt.date.fromisoformat(x.return_by) >= today:
                last, planned = in_words(dt.date.fromisoformat(x.return_by)), in_words(test.start.date())
                told = f"{x.name} may go back until {last}; its test on the bench is planned for {planned}."
                yield finding("build-return-window", f"buy:{x.key}"[:60], x.name, told)
        if x.joined:
            longest = max(p.length_m for c in x.cuts for p in c.pieces)
            yield finding(
                "build-reel-join", f"buy:{x.key}"[:60], x.name, f"{x.name}: a piece of {longest:.1f} m is longer than any that is sold in one length."
            )


def _way(d: Design, r: Report, a: Asked) -> Iterator[Finding]:
    """Things that come in through the bare shell and not past the furniture that stands, or is planned, before them."""
    names = {t.key: t.name for t in r.fit.things}
    for x in barred(d, r):
        place = next((t for t in x.placed_by if t in a.plan.rows), None)
        if place is None:
            continue
        start = a.plan.rows[place].start
        first = [b for b, t in x.built_by.items() if (t in a.plan.rows and a.plan.rows[t].start < start) or (t in a.states and a.states[t].done >= 1)]
        if first:
            blocking = " and ".join(names.get(b, b).lower() for b in first[:2])
            told = f"{names.get(x.key, x.key)} comes in through the bare shell, and not past {blocking}, which stands or is planned before it."
            yield finding("build-blocked-way", f"task:{place}", a.planner.tasks[place].template.name, told)


def _punch(facts: Facts) -> Iterator[Finding]:
    """Small things that must be mended before it is handed over."""
    left = [x for x in facts.punch if x.must and not x.done_on]
    if left:
        names = ", ".join(x.name for x in left[:3]) + (f" and {len(left) - 3} more" if len(left) > 3 else "")
        yield finding("build-punch-open", "build", "Build", f"To be mended before it is handed over: {names}.")


def log_findings(d: Design, r: Report, a: Asked, shopping: Sequence[BuyPart], facts: Facts, today: dt.date) -> Iterator[Finding]:
    """All that the order of the log, its people and the coming visits give cause to say."""
    log = _Log(a, facts)
    yield from _order(log)
    yield from _too_soon(log)
    yield from _fire(log, facts.log)
    yield from _licences(d, log, facts.log)
    yield from _visits(d, a, today)
    yield from _bought(shopping, a, today)
    yield from _way(d, r, a)
    yield from _punch(facts)
