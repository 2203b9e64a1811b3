"""What was done out of its order, by whom it may not be done, or too soon after a bond: told from the log, before it costs a hand or a wall."""

from __future__ import annotations

import datetime as dt
from collections.abc import Iterator, Sequence

from bothy.core.build import rule_table  # noqa: F401  registers the rules
from bothy.core.build.asked import Asked, is_day
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
from bothy.core.words.days import in_words
from bothy.core.words.says import build_says as says

CUTS = ("cut-windows", "cut-roof", "cut-side", "cut-floor", "fit-through-hull")
CLOSES = ("insulate-ceiling", "insulate-walls", "insulate-spray", "line-ceiling", "line-wall-left", "line-wall-right")
BURNS = {
    "insulate-spray": says("foam-in-walls"),
    "insulate-walls": says("insulation-in-walls"),
    "insulate-ceiling": says("insulation-in-ceiling"),
    "sf-battery-bank": says("connected-battery"),
    "gas-appliances": says("gas-on-board"),
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
        return finding(rule, f"task:{k}", log.names[k], says("done-and", names=log.names[k], done=bool(log.done(k)), words=words))

    closed = log.begun_of(CLOSES)
    if closed and log.lacks("roof-water-test"):
        yield tell("build-no-water-test", closed[0], says("no-hose-was-held"))
    for k in log.begun_of(CUTS):
        open_ones = [log.names[p].lower() for p in ("receive-parts", "mark-openings") if log.lacks(p)]
        if open_ones:
            yield tell("build-cut-unchecked", k, says("not-done", open_ones=" and ".join(open_ones)))
    bare = [k for k in log.known if log.begun(k) and "paint-edges" in log.known[k].hard and log.lacks("paint-edges")]
    if bare:
        yield tell("build-bare-edge", bare[0], says("cut-edges-not-painted"))
    if log.begun("com-first-power") and log.lacks("com-dead-tests"):
        yield tell("build-battery-early", "com-first-power", says("dead-tests-not-short"))
    if log.begun("box-heater") and log.lacks("connect-ducts"):
        yield tell("build-duct-before-box", "box-heater", says("ducts-not-on-heater"))
    for k, t in log.known.items():
        bench = [p for p in t.hard if p in log.known and log.known[p].template.bench and log.lacks(p)]
        if log.begun(k) and bench:
            yield tell("build-no-bench-test", k, says("was-left-out-faulty", names=log.names[bench[0]]))


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
            when = says("not-within-forty-in") if slow else f"by {in_words(ready.date())} {ready:%H:%M}"
            yield finding(
                rule,
                f"task:{k}",
                log.names[k],
                says("was-begun-on-had", names=log.names[k], in_words=in_words(first), names_2=log.names[p], when=when),
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
                says("throws-sparks-or-hot", names=log.names[k], burns=burns[0]),
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
                says("and-stand-in-log", names=log.names[e.task], other=other[0].lower(), other_2=other[1:]),
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
                says("entered-as-done-without", who=who, names=log.names[e.task], words=WORDS[t.template.licence]),
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
        why = says("before", wait=", ".join(wait[:3])) if wait and first.start.date() > day else ""
        yield finding(
            "build-trade-visit-idle",
            f"visit:{v.id}",
            v.name,
            says("comes-on-and-nothing", v_name=v.name, in_words=in_words(day), task=task, soonest=soonest, why=why),
        )


def _bought(shopping: Sequence[BuyPart], a: Asked, today: dt.date) -> Iterator[Finding]:
    """What is tested too late to go back, and what is in no length that is sold."""
    for x in shopping:
        if x.return_by is not None and x.bench and x.status == "received":
            test = a.plan.rows.get(x.task or "")
            if test is not None and test.start.date() > dt.date.fromisoformat(x.return_by) >= today:
                last, planned = in_words(dt.date.fromisoformat(x.return_by)), in_words(test.start.date())
                told = says("may-go-back-until", x_name=x.name, last=last, planned=planned)
                yield finding("build-return-window", f"buy:{x.key}"[:60], x.name, told)
        if x.joined:
            longest = max(p.length_m for c in x.cuts for p in c.pieces)
            yield finding("build-reel-join", f"buy:{x.key}"[:60], x.name, says("piece-longer-than-any", x_name=x.name, longest_m=longest))


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
            told = says("comes-in-through-bare", names=names.get(x.key, x.key), blocking=blocking)
            yield finding("build-blocked-way", f"task:{place}", a.planner.tasks[place].template.name, told)


def _punch(facts: Facts) -> Iterator[Finding]:
    """Small things that must be mended before it is handed over."""
    left = [x for x in facts.punch if x.must and not x.done_on]
    if left:
        names = ", ".join(x.name for x in left[:3]) + (says("and-more", left_count=len(left) - 3) if len(left) > 3 else "")
        yield finding("build-punch-open", "build", says("build"), says("to-be-mended-before", names=names))


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
