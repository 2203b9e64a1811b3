"""What the plan of the build, its gates, purchases and money give cause to say."""

from __future__ import annotations

import datetime as dt
from collections.abc import Iterator, Mapping, Sequence

from bothy.core.build import rule_table  # noqa: F401  registers the rules
from bothy.core.build.asked import Asked
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
from bothy.core.catalogue.climates import MONTHS
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.finding import Finding, finding, in_order
from bothy.core.report import Report
from bothy.core.roof.curing import CURINGS
from bothy.core.words.days import in_words
from bothy.core.words.says import build_says as says

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
        more = says("more-tasks-wait-for", blocked=blocked) if blocked else ""
        yield finding("build-no-people", f"task:{k}", names[k], f"{names[k]}: {a.plan.impossible[k]}{more}")
    lifts = [t for t in a.tasks if t.template.lift and t.id in a.plan.rows and a.plan.rows[t.id].ask and t.template.people > len(people_of(d.build))]
    if lifts:
        who = says("one-person") if len(people_of(d.build)) == 1 else says("too-few-people")
        what = says("tasks-have", lifts_count=len(lifts)) if len(lifts) > 1 else says("one-task-has")
        yield finding(
            "build-lift-alone",
            f"task:{lifts[0].id}",
            lifts[0].template.name,
            says("entered-and-lift-for", who=who, what=what, template_names=", ".join(t.template.name for t in lifts[:3])),
            related=[f"task:{t.id}" for t in lifts[1:6]],
        )
    asks = [(k, row) for k, row in a.plan.rows.items() if row.ask and a.planner.tasks[k].template.licence != "none"]
    for licence in dict.fromkeys(a.planner.tasks[k].template.licence for k, _ in asks):
        mine = [(k, row) for k, row in asks if a.planner.tasks[k].template.licence == licence]
        k, row = min(mine, key=lambda x: x[1].start)
        work = (
            says("from-about-there-tasks", in_words=in_words(row.start), mine_count=len(mine))
            if len(mine) > 1
            else says("from-about-there-one", in_words=in_words(row.start))
        )
        yield finding(
            "build-trade-not-asked",
            f"task:{k}",
            names[k],
            says("for-and-no-visit", work=work, words=WORDS[licence]),
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
            says("in-doesnt-cure-within", names=names[stalled[0]], end=MONTHS[a.plan.rows[stalled[0]].end.month - 1]),
            related=[f"task:{k}" for k in stalled[1:6]],
        )
    for k, state in a.states.items():
        t = a.planner.tasks.get(k)
        c = CURINGS.get(t.template.cure or "") if t is not None else None
        if t is None or c is None or state.air is None or c.min_c <= state.air[0] <= c.max_c:
            continue
        wants = says("at-least", min_c=c.min_c) if state.air[0] < c.min_c else says("at-most", max_c=c.max_c)
        yield finding("build-cure-air", f"task:{k}", names[k], says("planned-at-needs", names=names[k], air_c=state.air[0], c_name=c.name, wants=wants))
    b = d.build
    if b.deadline and a.plan.end is not None and a.plan.end.date() > dt.date.fromisoformat(b.deadline):
        late = (a.plan.end.date() - dt.date.fromisoformat(b.deadline)).days
        end, wanted = a.plan.end.date(), dt.date.fromisoformat(b.deadline)
        told = says("by-plan-build-done", in_words=in_words(end, year=True), late=late, in_words_2=in_words(wanted, year=True))
        later = could_wait(a)
        if later:
            listed = ", ".join(f"{name} ({hours:.0f} h)" for name, hours in later[:4])
            told += says("these-could-wait-until", listed=listed, hs_h=sum((h for _, h in later)))
        yield finding("build-deadline", "build", says("build"), told)


def _bought(shopping: Sequence[BuyPart], facts: Facts) -> Iterator[Finding]:
    """What is to be ordered, and what came short or damaged."""
    late_lines = [x for x in shopping if x.urgency == "late"]
    if late_lines:
        x = min(late_lines, key=lambda y: y.days_left or 0)
        more = says("and-more-lines", late_lines_count=len(late_lines) - 1) if len(late_lines) > 1 else ""
        need_by = in_words(dt.date.fromisoformat(x.need_by), year=True) if x.need_by else ""
        yield finding(
            "build-order-late",
            f"buy:{x.key}"[:60],
            x.name,
            says(
                "should-have-been-ordered",
                x_name=x.name,
                days_left=-(x.days_left or 0),
                more=more,
                need_by=need_by,
            ),
        )
    for p in facts.purchases:
        if p.status == "received" and p.expected is not None and p.received is not None and p.received < p.expected:
            yield finding("build-parts-short", f"buy:{p.id}"[:60], p.name, says("came-instead", p_name=p.name, received=p.received, expected=p.expected))
        if p.damaged > 0:
            yield finding("build-parts-damaged", f"buy:{p.id}"[:60], p.name, says("came-damaged", p_name=p.name, damaged=p.damaged))


def _closed(a: Asked, gates: Sequence[GatePart]) -> Iterator[Finding]:
    """Surfaces that are closed over what lacks something."""
    for g in gates:
        closed = g.closed_on is not None or any(k in a.states and a.states[k].done >= 1 for k in g.closes)
        if not closed:
            continue
        bad = [x for x in g.items if x.severity in ("danger", "fault")]
        if bad:
            what = says("one-thing-behind-open", bad_name=bad[0].name)
            if len(bad) > 1:
                what = says("things-behind-open", bad_count=len(bad), x_names=", ".join(x.name for x in bad[:4]))
            yield finding("build-close-before-services", f"zone:{g.zone}", g.name, says("closed-and", g_name=g.name, what=what))
        for check in ("not-done", "not-tested", "hidden-joint", "not-labelled", "no-photo"):
            lacking = [x for x in g.items if check in x.missing]
            if lacking:
                lacking_names = ", ".join(x.name for x in lacking[:4])
                yield finding(f"build-gate-{check}", f"zone:{g.zone}", g.name, says("behind-which-closed", g_name=g.name.lower(), lacking_names=lacking_names))


def _logged(d: Design, r: Report, a: Asked, strays: Sequence[str], unticked: Mapping[str, list[Item]]) -> Iterator[Finding]:
    """An order that goes in a circle, work that no longer belongs, and the pace."""
    circle = tasks_and_circle(d, r)[1]
    if circle:
        yield finding("build-cycle", "build", says("build"), says("order-that-you-set", circle=", ".join(circle[:4])))
    if strays:
        yield finding("build-not-belonging", "build", says("build"), says("tasks-that-done-no", strays_count=len(strays), strays=", ".join(strays[:4])))
    for k, left in unticked.items():
        name = next((t.template.name for t in a.tasks if t.id == k), k)
        words = says("by-log-task-done", x_names=", ".join(f"“{x.name}”" for x in left[:4]), left_count_over=len(left) > 4)
        yield finding("build-items-left", k, name, words)
    if a.pace.weight > 0 and not a.pace.low <= 1 <= a.pace.high:
        word = "slower" if a.pace.factor > 1 else "faster"
        yield finding(
            "build-pace",
            "build",
            says("build"),
            says("log-says-hours-for", factor=a.pace.factor, low=a.pace.low, high=a.pace.high, word=word),
        )


def _spent(money: MoneyPart) -> Iterator[Finding]:
    """Money against what was set aside."""
    if money.budget is not None and money.budget > 0 and money.forecast > 0.9 * money.budget:
        yield finding("build-budget", "build", says("build"), says("forecast-budget-open-lines", forecast_pc=100 * money.forecast / money.budget))
    for m in money.rows:
        if m.budget is not None and m.forecast > m.budget + 0.5:
            over = says("budget", forecast_pc=100 * m.forecast / m.budget) if m.budget > 0 else says("more-than-budget-nothing")
            yield finding("build-budget", m.service, m.service.capitalize(), says("forecast-for", service=m.service, over=over))


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
