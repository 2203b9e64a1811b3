"""Build worked out for a day: tasks from the design, what the log says of them, the plan, gates, shopping, money; its findings."""

from __future__ import annotations

import datetime as dt
from collections.abc import Mapping, Sequence

import numpy as np

from bothy.core.build.asked import Asked, asked, here, is_day, states_of
from bothy.core.build.buying import order_dates, status_of
from bothy.core.build.calendar import hours_of, people_of
from bothy.core.build.cuts import WORTH_KEEPING_M, Cut
from bothy.core.build.durations import mean_of
from bothy.core.build.findings import findings_of
from bothy.core.build.gates import gates_of
from bothy.core.build.items import Item, items_of, left_of, ticked
from bothy.core.build.line import Line
from bothy.core.build.part import (
    BuildPart,
    BuyPart,
    CurvePart,
    CutFrom,
    CutPiece,
    ItemPart,
    MoneyPart,
    MoneyRow,
    MonthSky,
    PacePart,
    QuotePart,
    TaskPart,
    ThenPart,
    TodayPart,
)
from bothy.core.build.plan import Plan, State
from bothy.core.build.shopping import bill
from bothy.core.build.task_list import Task
from bothy.core.build.templates import whole_library
from bothy.core.catalogue.workshop import goods, rain_days, tools
from bothy.core.contract import quick
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.facts.kinds import Purchase
from bothy.core.report import Report
from bothy.core.roof.curing import WET
from bothy.core.words.choices import word_of
from bothy.core.words.says import build_says as says

CONTINGENCY = 0.15
RETURN_DAYS = {"uk": 14, "eu": 14}
"""Days in which what was bought at a distance may go back; elsewhere the shop says."""


def _iso(when: dt.datetime | None) -> str | None:
    return None if when is None else when.strftime("%Y-%m-%dT%H:%M")


def _conditions(t: Task) -> str:
    x = t.template
    parts = []
    if x.outdoor:
        parts.append(says("in-open") + (says("dry") if x.dry else ""))
    if x.min_c is not None and x.max_c is not None:
        parts.append(f"{x.min_c:.0f} to {x.max_c:.0f} °C")
    elif x.min_c is not None:
        parts.append(says("from", min_c=x.min_c))
    if x.daylight:
        parts.append(says("by-daylight"))
    if x.max_wind is not None:
        parts.append(says("wind-up-to", max_wind_m_s=x.max_wind))
    return ", ".join(parts)


def _zone(t: Task) -> str:
    zones = [z for z, _ in (*t.template.closes, *t.inside)]
    if t.template.phase == "roof" or t.id in ("cut-roof", "frame-roof-openings", "roof-water-test", "roof-dry-fit"):
        return "roof"
    return zones[0] if len(set(zones)) == 1 else "vehicle"


def _governing(plan: Plan) -> set[str]:
    """The chain that the end hangs on, by what each task was held by."""
    if not plan.rows:
        return set()
    at: str | None = max(plan.rows, key=lambda k: plan.rows[k].end)
    out: set[str] = set()
    while at is not None and at not in out and at in plan.rows:
        out.add(at)
        at = plan.rows[at].held_by
    return out


def _task_parts(d: Design, a: Asked, items: Mapping[str, list[Item]], done_items: Mapping[str, set[str]]) -> list[TaskPart]:
    pins = {p.task: p.day for p in d.build.pins}
    critical = _governing(a.plan)
    names = {t.id: t.template.name for t in a.tasks}
    known_tools, known_goods = tools(), goods()
    out = []
    for t in a.tasks:
        x, s, row = t.template, a.states.get(t.id), a.plan.rows.get(t.id)
        done = s.done if s else 0.0
        state = "done" if done >= 1 else "begun" if s is not None else "open"
        out.append(
            quick(
                TaskPart,
                id=t.id,
                name=x.name,
                phase=x.phase,
                service=x.service,
                zone=_zone(t),
                licence=x.licence,
                people=x.people,
                likely_h=t.hours[1],
                hours=row.hours if row else 0.0,
                spent_h=s.spent_h if s else 0.0,
                done=done,
                state=state,
                start=_iso(row.start) if row else _iso(s.finished) if s and s.finished else None,
                end=_iso(row.end) if row else _iso(s.finished) if s and s.finished else None,
                ready=_iso(row.ready) if row and x.cure is not None else None,
                pieces=[[_iso(a.planner.hours.at(i)) or "", _iso(a.planner.hours.at(j)) or ""] for i, j in row.pieces] if row else [],
                reasons=list(row.reasons) if row else [],
                ask=row.ask if row else "",
                critical=t.id in critical,
                pinned=pins.get(t.id),
                waits=[names[p] for p in t.hard if p in names and (p not in a.states or a.states[p].done < 1)],
                hard=sorted(t.hard),
                cure=x.cure,
                outdoor=x.outdoor,
                conditions=_conditions(t),
                tools=[known_tools[k] for k in x.tools],
                parts=[known_goods[k].name for k in x.parts],
                ppe=list(x.ppe),
                record=x.record,
                note=x.note,
                impossible=a.plan.impossible.get(t.id, ""),
                items=[quick(ItemPart, id=i.id, name=i.name, done=i.id in done_items.get(t.id, ())) for i in items.get(t.id, [])],
            )
        )
    return out


def _lines_by_task(lines: Sequence[Line]) -> dict[str, list[Line]]:
    out: dict[str, list[Line]] = {}
    for x in lines:
        for k in x.tasks:
            out.setdefault(k, []).append(x)
    return out


MOST_TODAY = 5


def _today(d: Design, a: Asked, lines: Sequence[Line], facts: Facts, today: dt.date) -> TodayPart:
    """What can be done on the day: nothing is open or uncured before it; what else it lacks is said with it."""
    by_task = _lines_by_task(lines)
    got = {p.id for p in facts.purchases if here(p)}
    known = {t.id: t for t in a.tasks}
    noon = dt.datetime.combine(today, dt.time(8))
    ready = []
    for t in a.tasks:
        s = a.states.get(t.id)
        if (s is not None and s.done >= 1) or t.id in a.plan.impossible:
            continue
        waits = False
        for p, wait in t.hard.items():
            if p not in known:
                continue
            before = a.states.get(p)
            if before is None or before.done < 1 or before.finished is None:
                waits = True
                break
            since, _ = a.planner.cured_by(p, wait, before.finished)
            if since > noon + dt.timedelta(hours=10):
                waits = True
                break
        if not waits:
            ready.append(t)
    pins = {p.task: dt.date.fromisoformat(p.day) for p in d.build.pins}
    ready = [t for t in ready if t.id not in pins or pins[t.id] <= today]
    order = {k: row.start for k, row in a.plan.rows.items()}
    ready.sort(key=lambda t: (0 if t.id in a.states else 1, order.get(t.id, dt.datetime.max)))
    month = today.month
    sky = a.planner.sky
    temps, ahead = sky.temps(month, False, today), sky.forecast(today)
    lacks: dict[str, list[str]] = {}
    n = len(people_of(d.build))
    for t in ready[: 3 * MOST_TODAY]:
        x, out = t.template, []
        missing = [line.name for line in by_task.get(t.id, ()) if line.key not in got and line.service != "workshop" and not line.at_hand]
        if missing:
            out.append(
                says("not-here-yet-and", missing=", ".join(missing[:3]), missing_count=len(missing) - 3)
                if len(missing) > 3
                else says("not-here-yet", missing=", ".join(missing[:3]))
            )
        if x.people > n and x.licence == "none":
            out.append(says("people-2", people=x.people))
        if x.licence != "none":
            out.append(word_of(x.licence))
        if x.min_c is not None and float(np.max(temps)) < x.min_c and not (d.build.hall and d.build.hall_temp_c is not None):
            out.append(says("usual-reaches", min_c=x.min_c, max_c=float(np.max(temps))))
        if x.outdoor and x.dry and not sky.hall and not (ahead is not None and ahead.rain < WET):
            out.append(says("dry-2"))
        lacks[t.id] = out
    able = [t for t in ready if t.id in lacks]
    able.sort(key=lambda t: (any("not here" in w or "people" in w or "°C" in w or "electrician" in w or "fitter" in w for w in lacks[t.id]),))
    hours = hours_of(d.build, today, 1)
    c = sky.climate
    rain = rain_days(c.place, month)
    weather = (
        says("in-hall", hall_temp_c=d.build.hall_temp_c)
        if d.build.hall and d.build.hall_temp_c is not None
        else says("by-forecast-to-rain", c_name=c.name, low_c=ahead.low_c, high_c=ahead.high_c, rain_pc=100 * ahead.rain)
        if ahead is not None
        else says("usual-month-to-rain", c_name=c.name, tmin_c=c.tmin_c[month - 1], tmax_c=c.tmax_c[month - 1], rain=rain)
    )
    shown = [t.id for t in able[:MOST_TODAY]]
    return quick(
        TodayPart,
        day=today.isoformat(),
        hours=float((hours.worth * hours.people).sum() * 0.5),
        people=int(hours.people.max(initial=0)),
        weather=weather,
        tasks=shown,
        lacks={k: lacks[k] for k in shown},
    )


def _cut_part(c: Cut, line: Line) -> CutFrom:
    return quick(
        CutFrom,
        source=c.source,
        stock=c.stock,
        place=c.place,
        length_m=c.length_m,
        pieces=[quick(CutPiece, of=p.of, length_m=p.length_m) for p in c.pieces],
        left_m=c.left_m,
        keep=c.left_m >= WORTH_KEEPING_M.get(line.kept, 0.5) - 1e-9,
    )


def _return_by(d: Design, p: Purchase | None) -> str | None:
    """The last day on which it may go back: by what the shop says, else by what is usual of the region; None: nobody knows, or it isn't here."""
    if p is None or p.status != "received" or not is_day(p.received_on):
        return None
    days = p.return_days if p.return_days is not None else RETURN_DAYS.get(d.region)
    return None if days is None else (dt.date.fromisoformat(p.received_on) + dt.timedelta(days=days)).isoformat()


def _warranty(p: Purchase | None) -> str | None:
    """The last day of the warranty, from the day it came."""
    if p is None or p.warranty_months is None or not is_day(p.received_on):
        return None
    day = dt.date.fromisoformat(p.received_on)
    months = day.month - 1 + round(p.warranty_months)
    return dt.date(min(2200, day.year + months // 12), months % 12 + 1, min(day.day, 28)).isoformat()


def _shopping(d: Design, a: Asked, lines: Sequence[Line], facts: Facts, today: dt.date) -> list[BuyPart]:
    bought, quoted = {p.id: p for p in facts.purchases}, {q.id: q for q in facts.quotes}
    b, out = d.build, []
    for x in lines:
        starts = [(a.plan.rows[k].start, k) for k in x.tasks if k in a.plan.rows]
        first = min(starts, default=None)
        need = None if first is None else first[0].date()
        p, q = bought.get(x.key), quoted.get(x.key)
        built_in = bool(x.tasks) and all(k in a.states and a.states[k].done >= 1 for k in x.tasks)
        status = p.status if p is not None else "used" if built_in else "stock" if x.at_hand else "planned"
        holds = q is not None and not (is_day(q.until) and dt.date.fromisoformat(q.until) < today)
        lead = q.lead_days if q is not None and q.lead_days is not None and holds else b.lead_days
        order = None
        left: int | None = None
        if need is not None and status == "planned":
            _, order = order_dates(need, lead, b.buffer_days)
            left = (order - today).days
        fitted = status in ("fitted", "used")
        asked_for = q.price if q is not None and holds and status == "planned" else x.price
        out.append(
            quick(
                BuyPart,
                key=x.key,
                name=x.name,
                service=x.service,
                amount=x.amount,
                unit=x.unit,
                packs=x.packs,
                price=p.price if p is not None and p.price is not None else asked_for,
                guide=x.price,
                quote=None if q is None else quick(QuotePart, supplier=q.supplier, price=q.price, lead_days=q.lead_days, until=q.until, holds=holds),
                of=list(x.of),
                task=first[1] if first else x.tasks[0] if x.tasks else None,
                need_by=need.isoformat() if need else None,
                order_by=order.isoformat() if order else None,
                days_left=left,
                urgency=status_of(left) if status == "planned" and order is not None else "",
                status=status,
                bench=x.bench,
                in_stock=x.in_stock,
                return_by=_return_by(d, p),
                warranty_until=_warranty(p),
                joined=bool(x.kept) and x.pack_m is None and bool(x.pieces) and not fitted,
                cuts=[] if fitted else [_cut_part(c, x) for c in x.cuts],
            )
        )
    return out


def _row_of(d: Design, service: str) -> MoneyRow:
    return MoneyRow(service=service, budget=d.build.budgets.get(service), forecast=0.0, planned=0.0, ordered=0.0, spent=0.0, open=0.0)


def _money(d: Design, shopping: Sequence[BuyPart], facts: Facts) -> MoneyPart:
    bought = {p.id: p for p in facts.purchases}
    rows: dict[str, MoneyRow] = {}
    unknown = 0
    for x in shopping:
        row = rows.setdefault(x.service, _row_of(d, x.service))
        p = bought.get(x.key)
        price = x.price
        if price is None:
            unknown += 1
            continue
        row.planned += price
        if x.status == "used":  # its task is done, so it was there
            row.spent += price
        elif p is None:
            row.open += price
        elif p.status == "ordered":
            row.ordered += price
        elif p.status != "returned":
            row.spent += price
    extra = [p for k, p in bought.items() if k not in {x.key for x in shopping} and p.price is not None and p.status != "returned"]
    if extra:
        row = rows.setdefault("other", _row_of(d, "other"))
        for p in extra:
            if p.status == "ordered":
                row.ordered += p.price or 0.0
            else:
                row.spent += p.price or 0.0
    for service in d.build.budgets:
        rows.setdefault(service, _row_of(d, service))
    for row in rows.values():
        row.forecast = row.spent + row.ordered + row.open * (1 + CONTINGENCY)
    total = {k: sum(getattr(x, k) for x in rows.values()) for k in ("planned", "ordered", "spent", "open")}
    forecast = total["spent"] + total["ordered"] + total["open"] * (1 + CONTINGENCY)
    return quick(
        MoneyPart,
        rows=list(rows.values()),
        planned=total["planned"],
        ordered=total["ordered"],
        spent=total["spent"],
        forecast=forecast,
        budget=d.build.budget,
        unknown=unknown,
    )


def _curve(a: Asked, facts: Facts, today: dt.date) -> CurvePart:
    """Hours by the library that were planned to be done by each week, what is done of them, and what was spent."""
    value = {t.id: mean_of(*t.hours) for t in a.tasks}
    done = sum(value[k] * min(1.0, s.done) for k, s in a.states.items() if k in value)
    dates = sorted({e.on[:10] for e in facts.log if is_day(e.on[:10])})
    days = [*dates, today.isoformat()]
    earned, spent = [], []
    for day in days:
        sofar = states_of([e for e in facts.log if e.on[:10] <= day or not is_day(e.on[:10])], today)
        earned.append(sum(value[k] * min(1.0, s.done) for k, s in sofar.items() if k in value))
        spent.append(sum(s.spent_h for s in sofar.values()))
    ends = sorted((row.end, value[k]) for k, row in a.plan.rows.items())
    ahead_days, ahead, at = [], [], done
    for when, h in ends:
        at += h
        ahead_days.append(when.date().isoformat())
        ahead.append(at)
    week: dict[str, float] = {}
    for day, v in zip(ahead_days, ahead, strict=True):
        week[day] = v
    return quick(
        CurvePart,
        days=[*days, *week],
        planned=[*earned, *week.values()],
        earned=earned,
        spent=spent,
    )


def strays_of(tasks: Sequence[Task], states: Mapping[str, State]) -> list[str]:
    """Names of what was begun and no longer belongs to the design."""
    here, known = {t.id for t in tasks}, whole_library()
    return [known[k].name if k in known else k for k in states if k not in here]


def _then(d: Design, a: Asked) -> ThenPart | None:
    """The plan that was kept to compare with."""
    b = d.build.baseline
    if b is None:
        return None
    end = dt.datetime.fromisoformat(b.end) if b.end else None
    days = None if end is None or a.plan.end is None else (a.plan.end - end).total_seconds() / 86_400
    return quick(ThenPart, day=b.day, end=b.end or None, days=days, tasks={k: list(v) for k, v in b.tasks.items()})


def build_part(d: Design, r: Report, facts: Facts, today: dt.date) -> BuildPart:
    """All of Build on a day."""
    a = asked(d, r, facts, today)
    lines = bill(d, r, facts, a.tasks)
    gates, shopping = gates_of(d, r, facts, a), _shopping(d, a, lines, facts, today)
    money, strays = _money(d, shopping, facts), strays_of(a.tasks, a.states)
    items, done_items, finished = items_of(d, r), ticked(facts.log), [k for k, s in a.states.items() if s.done >= 1]
    value = {t.id: mean_of(*t.hours) for t in a.tasks}
    asks = sorted({row.ask for row in a.plan.rows.values() if row.ask})
    c = a.planner.sky.climate
    return quick(
        BuildPart,
        begun=d.build.begun or bool(facts.log),
        today=today.isoformat(),
        start=a.begin.date().isoformat(),
        end=_iso(a.plan.end),
        bound=_iso(a.plan.bound),
        work_h=sum(row.hours for row in a.plan.rows.values()),
        done_h=sum(value[k] * min(1.0, s.done) for k, s in a.states.items() if k in value),
        tasks=_task_parts(d, a, items, done_items),
        now=_today(d, a, lines, facts, today),
        gates=gates,
        shopping=shopping,
        pace=quick(PacePart, factor=a.pace.factor, low=a.pace.low, high=a.pace.high, logs=len(a.states), weight=a.pace.weight),
        money=money,
        curve=_curve(a, facts, today),
        sky=[quick(MonthSky, month=m, low_c=c.tmin_c[m - 1], high_c=c.tmax_c[m - 1], rain_days=rain_days(c.place, m)) for m in range(1, 13)],
        padded=a.estimate.padded,
        baseline=_then(d, a),
        ordered=bool(d.build.order),
        asks=asks,
        strays=strays,
        findings=findings_of(d, r, a, gates, shopping, money, facts, strays, left_of(items, done_items, finished), today),
    )
