"""What the plan of the build, its gates, purchases and money give cause to say."""

from __future__ import annotations

import datetime as dt
from collections.abc import Iterator, Mapping, Sequence

from bothy.core.build import rule_table  # noqa: F401  registers the rules
from bothy.core.build.asked import Asked, in_words
from bothy.core.build.calendar import people_of
from bothy.core.build.from_design import tasks_and_circle
from bothy.core.build.items import Item
from bothy.core.build.log_rules import log_findings
from bothy.core.build.part import (
    BuyPart,
    GatePart,
    MoneyPart,
)
from bothy.core.build.plan import WORDS
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.finding import Finding, finding, in_order
from bothy.core.report import Report
from bothy.core.roof.curing import CURINGS

AFTER_MOVING_IN = (
    "build-wardrobe",
    "build-overheads",
    "fin-doors-drawers",
    "varnish-furniture",
    "fin-soft",
    "carpet-trim",
    "line-doors",
    "fit-awning",
    "fin-swivel",
)
"""Comfort: nothing safe hangs on it. Tests, closings, alarms, services and licensed work are never among it (own choice)."""


def could_wait(a: Asked) -> list[tuple[str, float]]:
    """Tasks that could come after moving in, with their hours, the longest first: comfort alone, not begun, and nobody's licence."""
    mine = [
        (a.planner.tasks[k].template.name, row.hours)
        for k, row in a.plan.rows.items()
        if k in AFTER_MOVING_IN and (k not in a.states or a.states[k].done == 0) and a.planner.tasks[k].template.licence == "none"
    ]
    return sorted(mine, key=lambda x: (-x[1], x[0]))


def _people(d: Design, a: Asked) -> Iterator[Finding]:
    """Tasks that nobody can do, lift alone, or was asked for."""
    names = {t.id: t.template.name for t in a.tasks}
    roots = [k for k, why in a.plan.impossible.items() if not why.startswith("It waits for")]
    for k in roots[:5]:
        blocked = len(a.plan.impossible) - len(roots)
        more = f" {blocked} more tasks wait for it." if blocked else ""
        yield finding("build-no-people", f"task:{k}", names[k], f"{names[k]}: {a.plan.impossible[k]}{more}")
    lifts = [t for t in a.tasks if t.template.lift and t.id in a.plan.rows and a.plan.rows[t.id].ask and t.template.people > len(people_of(d.build))]
    if lifts:
        who = "One person is" if len(people_of(d.build)) == 1 else "Too few people are"
        what = f"{len(lifts)} tasks have" if len(lifts) > 1 else "one task has"
        yield finding(
            "build-lift-alone",
            f"task:{lifts[0].id}",
            lifts[0].template.name,
            f"{who} entered, and {what} a lift for more: {', '.join(t.template.name for t in lifts[:3])}. No plan of Bothy has a lone lift; it plans help "
            "for those days.",
            related=[f"task:{t.id}" for t in lifts[1:6]],
        )
    asks = [(k, row) for k, row in a.plan.rows.items() if row.ask and a.planner.tasks[k].template.licence != "none"]
    for licence in dict.fromkeys(a.planner.tasks[k].template.licence for k, _ in asks):
        mine = [(k, row) for k, row in asks if a.planner.tasks[k].template.licence == licence]
        k, row = min(mine, key=lambda x: x[1].start)
        work = f"From about {in_words(row.start)} there {f'are {len(mine)} tasks' if len(mine) > 1 else 'is one task'}"
        yield finding(
            "build-trade-not-asked",
            f"task:{k}",
            names[k],
            f"{work} for {WORDS[licence]}, and no visit is entered; the plan takes the first working days.",
            related=[f"task:{x}" for x, _ in mine],
        )


def _days(d: Design, a: Asked) -> Iterator[Finding]:
    """Cures that stall, and a deadline that is missed."""
    names = {t.id: t.template.name for t in a.tasks}
    stalled = [k for k, row in a.plan.rows.items() if row.stalls and a.planner.tasks[k].template.cure is not None]
    if stalled:
        yield finding(
            "build-cure-stalled",
            f"task:{stalled[0]}",
            names[stalled[0]],
            f"{names[stalled[0]]}: in {a.plan.rows[stalled[0]].end:%B} it doesn’t cure within forty days at the place of the build.",
            related=[f"task:{k}" for k in stalled[1:6]],
        )
    for k, state in a.states.items():
        t = a.planner.tasks.get(k)
        c = CURINGS.get(t.template.cure or "") if t is not None else None
        if t is None or c is None or state.air is None or c.min_c <= state.air[0] <= c.max_c:
            continue
        wants = f"at least {c.min_c:g} °C" if state.air[0] < c.min_c else f"at most {c.max_c:g} °C"
        yield finding("build-cure-air", f"task:{k}", names[k], f"“{names[k]}” is planned at {state.air[0]:g} °C; {c.name} needs {wants}.")
    b = d.build
    if b.deadline and a.plan.end is not None and a.plan.end.date() > dt.date.fromisoformat(b.deadline):
        late = (a.plan.end.date() - dt.date.fromisoformat(b.deadline)).days
        end, wanted = a.plan.end.date(), dt.date.fromisoformat(b.deadline)
        told = (
            f"By the plan the build is done on {in_words(end, year=True)}, {late} day{'s' if late > 1 else ''} after the deadline of "
            f"{in_words(wanted, year=True)}."
        )
        later = could_wait(a)
        if later:
            listed = ", ".join(f"{name} ({hours:.0f} h)" for name, hours in later[:4])
            told += (
                f" These could wait until after moving in: {listed}; {sum(h for _, h in later):.0f} h in all. Tests, closings, alarms and licensed work stay."
            )
        yield finding("build-deadline", "build", "Build", told)


def _bought(shopping: Sequence[BuyPart], facts: Facts) -> Iterator[Finding]:
    """What is to be ordered, and what came short or damaged."""
    late_lines = [x for x in shopping if x.urgency == "late"]
    if late_lines:
        x = min(late_lines, key=lambda y: y.days_left or 0)
        more = f", and {len(late_lines) - 1} more lines" if len(late_lines) > 1 else ""
        yield finding(
            "build-order-late",
            f"buy:{x.key}"[:60],
            x.name,
            f"{x.name} should have been ordered {-(x.days_left or 0)} days ago{more}; it is needed on {x.need_by}.",
        )
    for p in facts.purchases:
        if p.status == "received" and p.expected is not None and p.received is not None and p.received < p.expected:
            yield finding("build-parts-short", f"buy:{p.id}"[:60], p.name, f"Of {p.name} {p.received:g} came instead of {p.expected:g}.")
        if p.damaged > 0:
            yield finding("build-parts-damaged", f"buy:{p.id}"[:60], p.name, f"Of {p.name} {p.damaged:g} came damaged.")


def _closed(a: Asked, gates: Sequence[GatePart]) -> Iterator[Finding]:
    """Surfaces that are closed over what lacks something."""
    for g in gates:
        closed = g.closed_on is not None or any(k in a.states and a.states[k].done >= 1 for k in g.closes)
        if not closed:
            continue
        bad = [x for x in g.items if x.severity in ("danger", "fault")]
        if bad:
            what = f"one thing behind it is open: {bad[0].name}"
            if len(bad) > 1:
                what = f"{len(bad)} things behind it are open: {', '.join(x.name for x in bad[:4])}"
            yield finding("build-close-before-services", f"zone:{g.zone}", g.name, f"{g.name} is closed, and {what}.")
        for check in ("not-done", "not-tested", "hidden-joint", "not-labelled", "no-photo"):
            lacking = [x for x in g.items if check in x.missing]
            if lacking:
                lacking_names = ", ".join(x.name for x in lacking[:4])
                yield finding(f"build-gate-{check}", f"zone:{g.zone}", g.name, f"Behind {g.name.lower()}, which is closed: {lacking_names}.")


def _logged(d: Design, r: Report, a: Asked, strays: Sequence[str], unticked: Mapping[str, list[Item]]) -> Iterator[Finding]:
    """An order that goes in a circle, work that no longer belongs, and the pace."""
    circle = tasks_and_circle(d, r)[1]
    if circle:
        yield finding("build-cycle", "build", "Build", f"The order that you set for {', '.join(circle[:4])} goes in a circle; the plan leaves that order out.")
    if strays:
        yield finding(
            "build-not-belonging", "build", "Build", f"Of the tasks that are done {len(strays)} are no longer in the design: {', '.join(strays[:4])}."
        )
    for k, left in unticked.items():
        name = next((t.template.name for t in a.tasks if t.id == k), k)
        words = f"By the log the task is done; {', '.join(f'“{x.name}”' for x in left[:4])}{' and more' if len(left) > 4 else ''} wasn’t ticked."
        yield finding("build-items-left", k, name, words)
    if a.pace.weight > 0 and not a.pace.low <= 1 <= a.pace.high:
        word = "slower" if a.pace.factor > 1 else "faster"
        yield finding(
            "build-pace",
            "build",
            "Build",
            f"The log says {a.pace.factor:.2f} hours for each of the library ({a.pace.low:.2f} to {a.pace.high:.2f}): {word}.",
        )


def _spent(money: MoneyPart) -> Iterator[Finding]:
    """Money against what was set aside."""
    if money.budget is not None and money.budget > 0 and money.forecast > 0.9 * money.budget:
        yield finding(
            "build-budget", "build", "Build", f"The forecast is {100 * money.forecast / money.budget:.0f} % of the budget, open lines with 15 % on top."
        )
    for m in money.rows:
        if m.budget is not None and m.forecast > m.budget + 0.5:
            over = f"{100 * m.forecast / m.budget:.0f} % of its budget" if m.budget > 0 else "more than its budget of nothing"
            yield finding("build-budget", m.service, m.service.capitalize(), f"The forecast for {m.service} is {over}.")


def findings_of(
    d: Design,
    r: Report,
    a: Asked,
    gates: Sequence[GatePart],
    shopping: Sequence[BuyPart],
    money: MoneyPart,
    facts: Facts,
    strays: Sequence[str],
    unticked: Mapping[str, list[Item]],
    today: dt.date,
) -> list[Finding]:
    """All that plan, gates, purchases and money give cause to say, the worst first; ``unticked``: by task that is done, its items that never were."""
    return in_order(
        [
            *_people(d, a),
            *_days(d, a),
            *_bought(shopping, facts),
            *_closed(a, gates),
            *_logged(d, r, a, strays, unticked),
            *_spent(money),
            *log_findings(d, r, a, shopping, facts, today),
        ]
    )
