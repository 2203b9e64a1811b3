"""Build worked out for a day: tasks from the design, what the log says of them, the plan, gates, shopping, money; its findings."""

from __future__ import annotations

import datetime as dt
from collections.abc import Iterable, Mapping, Sequence
from typing import NamedTuple

import numpy as np

from bothy.core.build import rule_table  # noqa: F401  registers the rules
from bothy.core.build.buying import order_dates, status_of
from bothy.core.build.calendar import Sky, hours_of, people_of
from bothy.core.build.durations import mean_of
from bothy.core.build.from_design import WALL_ZONE, ZONES, schools_of, tasks_and_circle, tasks_of
from bothy.core.build.gate import SEVERITY, Behind, checked, lacks_of
from bothy.core.build.pace import Pace, learnt
from bothy.core.build.part import (
    BehindPart,
    BuildPart,
    BuyPart,
    CurvePart,
    FanPart,
    GatePart,
    MoneyPart,
    MoneyRow,
    MonthSky,
    PacePart,
    SchoolPart,
    TaskPart,
    TodayPart,
)
from bothy.core.build.plan import WORDS, Plan, Planner, State, durations_of
from bothy.core.build.shopping import Line, bill
from bothy.core.build.task_list import Task
from bothy.core.build.templates import SCHOOLS, whole_library
from bothy.core.catalogue.workshop import goods, rain_days, tools
from bothy.core.context import Context
from bothy.core.contract import quick
from bothy.core.design.build import Build
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.facts.kinds import LogEntry, Purchase
from bothy.core.finding import Finding, finding, in_order
from bothy.core.report import Report

WORK_ENDS_H = 18
CONTINGENCY = 0.15
KIND = {"dc": "dc_cable", "mains": "ac_cable", "data": "data_cable", "water": "water_pipe", "waste": "waste_pipe", "gas": "gas_pipe", "duct": "duct"}
"""Service of a run -> what it is at a gate."""
LAID_BY = {
    "dc": ("ff-dc-cables", "surface-dc-cables", "ff-main-cables"),
    "mains": ("ff-ac-cables", "surface-ac-cables"),
    "data": ("ff-data",),
    "water": ("ff-water-pipes", "wet-fresh"),
    "waste": ("ff-water-pipes", "wet-waste"),
    "gas": ("gas-pipework",),
    "duct": ("ff-ducts", "connect-ducts"),
}
STRUCTURE: tuple[tuple[str, str, str, int, tuple[str, ...]], ...] = (
    ("rust", "Rust treated and painted", "rust_treatment", 1, ("floor", "wall_left", "wall_right", "ceiling")),
    ("deadening", "Sound deadening", "deadening", 1, ("floor", "wall_left", "wall_right", "ceiling", "doors")),
    ("insulation", "Insulation", "insulation", 3, ("wall_left", "wall_right", "ceiling", "doors")),
    ("vapour", "Vapour barrier", "vapour_barrier", 4, ("wall_left", "wall_right", "ceiling")),
)
DONE_BY = {
    "rust": ("rust-treat",),
    "deadening": ("sound-deadening",),
    "insulation": ("insulate-walls", "insulate-ceiling", "insulate-spray", "insulate-doors"),
    "vapour": ("vapour-barrier",),
}


class Asked(NamedTuple):
    """A design on a day: the tasks, what the log says of each, the pace, the planner and the plan."""

    tasks: list[Task]
    states: dict[str, State]
    pace: Pace
    planner: Planner
    plan: Plan
    begin: dt.datetime


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


def in_words(day: dt.date) -> str:
    """A day as it is said: 5 April 2027."""
    return f"{day.day} {day:%B %Y}"


def day_end(text: str, today: dt.date) -> dt.datetime:
    """The end of work of a day of the log; of today where it names none."""
    try:
        day = dt.date.fromisoformat(text[:10])
    except ValueError:
        day = today
    return dt.datetime.combine(day, dt.time(WORK_ENDS_H))


def states_of(log: Iterable[LogEntry], today: dt.date) -> dict[str, State]:
    """What the log says of each task: hours add up, the last entry says how far it is."""
    out: dict[str, State] = {}
    for e in log:
        before = out.get(e.task, State(0.0, 0.0, None))
        out[e.task] = State(e.done_frac, before.spent_h + e.hours, day_end(e.on, today) if e.done_frac >= 1 else None)
    return out


def pace_of(b: Build, tasks: Sequence[Task], states: Mapping[str, State]) -> Pace:
    """The builder's pace from the log."""
    known = {t.id: t for t in tasks} | {k: Task(x, x.hours, {}, (), ()) for k, x in whole_library().items() if k not in {t.id for t in tasks}}
    logs = [(mean_of(*known[k].hours), s.spent_h, min(1.0, s.done)) for k, s in states.items() if k in known and s.done > 0 and s.spent_h > 0]
    return learnt([x for x in logs if x[0] > 0], b.pace or 1.0)


def here(p: Purchase) -> bool:
    """Whether all of a purchase has come, unbroken."""
    return p.status in ("received", "spare") and (p.expected is None or p.received is None or p.received - p.damaged >= p.expected)


def arrivals_of(lines: Sequence[Line], facts: Facts, today: dt.date) -> dict[str, tuple[dt.date, str]]:
    """For each task the last day on which something that it takes is promised; what is overdue may come any day."""
    out: dict[str, tuple[dt.date, str]] = {}
    promised = {p.id: dt.date.fromisoformat(p.due_on) for p in facts.purchases if p.due_on and _is_day(p.due_on) and p.status != "returned" and not here(p)}
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


def asked(d: Design, r: Report, facts: Facts, today: dt.date, explain: bool = True) -> Asked:
    """The plan of a design on a day."""
    b = d.build
    tasks = tasks_of(d, r)
    states = states_of(facts.log, today)
    pace = pace_of(b, tasks, states)
    begin = first_day(b, today)
    sky = Sky(Context(d).climate, b.hall, b.hall_temp_c)
    pins = {p.task: dt.date.fromisoformat(p.day) for p in b.pins}
    planner = Planner(tasks, hours_of(b, begin.date()), sky, states, pins, begin, arrivals_of(bill(d, r, facts, tasks), facts, today))
    return Asked(tasks, states, pace, planner, planner.run(durations_of(tasks, pace.factor, states), explain), begin)


def _iso(when: dt.datetime | None) -> str | None:
    return None if when is None else when.strftime("%Y-%m-%dT%H:%M")


def _conditions(t: Task) -> str:
    x = t.template
    parts = []
    if x.outdoor:
        parts.append("in the open" + (", dry" if x.dry else ""))
    if x.min_c is not None and x.max_c is not None:
        parts.append(f"{x.min_c:.0f} to {x.max_c:.0f} °C")
    elif x.min_c is not None:
        parts.append(f"from {x.min_c:.0f} °C")
    if x.daylight:
        parts.append("by daylight")
    if x.max_wind is not None:
        parts.append(f"wind up to {x.max_wind:.0f} m/s")
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


def _task_parts(d: Design, a: Asked) -> list[TaskPart]:
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
            since, _ = a.planner._ready(p, wait, before.finished)
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
    temps = sky.temps(month, inside=False)
    lacks: dict[str, list[str]] = {}
    n = len(people_of(d.build))
    for t in ready[: 3 * MOST_TODAY]:
        x, out = t.template, []
        missing = [line.name for line in by_task.get(t.id, ()) if line.key not in got and line.service != "workshop"]
        if missing:
            out.append(f"not here yet: {', '.join(missing[:3])}{f' and {len(missing) - 3} more' if len(missing) > 3 else ''}")
        if x.people > n and x.licence == "none":
            out.append(f"{x.people} people")
        if x.licence != "none":
            out.append(x.licence.replace("ac_", "").replace("_", " "))
        if x.min_c is not None and float(np.max(temps)) < x.min_c and not (d.build.hall and d.build.hall_temp_c is not None):
            out.append(f"{x.min_c:.0f} °C; a usual day reaches {float(np.max(temps)):.0f} °C")
        if x.outdoor and x.dry and not sky.hall:
            out.append("a dry day")
        lacks[t.id] = out
    able = [t for t in ready if t.id in lacks]
    able.sort(key=lambda t: (any("not here" in w or "people" in w or "°C" in w or "electrician" in w or "fitter" in w for w in lacks[t.id]),))
    hours = hours_of(d.build, today, 1)
    c = sky.climate
    rain = rain_days(c.place, month)
    weather = (
        f"in a hall of {d.build.hall_temp_c:.0f} °C"
        if d.build.hall and d.build.hall_temp_c is not None
        else f"{c.name}, usual of the month: {c.tmin_c[month - 1]:.0f} to {c.tmax_c[month - 1]:.0f} °C, rain on {rain:.0f} days of it"
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


def _is_done(states: Mapping[str, State], tasks: Iterable[str]) -> bool:
    return any(k in states and states[k].done >= 1 for k in tasks)


def behind_of(d: Design, r: Report, facts: Facts, states: Mapping[str, State], zone: str) -> list[tuple[str, Behind]]:
    """Everything that lies behind a surface, with its name and evidence."""
    seen = {s.id: s for s in facts.seen}
    pictured = {p.subject for p in facts.photos}
    read = {x.circuit for x in facts.readings}
    out: list[tuple[str, Behind]] = []
    have: set[str] = set()

    def put(id: str, name: str, kind: str, layer: int, done: bool, tested: bool) -> None:
        key = f"{zone}:{id}"[:60]
        if key in have:
            return
        have.add(key)
        s = seen.get(key)
        out.append(
            (
                name,
                Behind(
                    key,
                    kind,
                    layer,
                    done or bool(s and s.done),
                    tested or bool(s and s.tested),
                    bool(s and s.labelled),
                    bool(s and s.photo) or key in pictured,
                    bool(s and s.waived),
                ),
            )
        )

    for id, name, kind, layer, zones in STRUCTURE:
        if zone in zones:
            put(id, name, kind, layer, _is_done(states, DONE_BY[id]), True)
    for thing in r.roof.things:
        if zone == "ceiling" and thing.cut is not None and thing.cut.hole is not None:
            done = _is_done(states, ("fit-roof-fan", "fit-rooflight", "fit-roof-ac", "fit-roof-glands"))
            put(thing.key.replace(":", "-"), f"Opening of {thing.name}", "sealed_opening", 1, done, _is_done(states, ("roof-water-test",)))
    for wall in r.fit.walls:
        if WALL_ZONE[wall.id] != zone:
            continue
        for row in wall.rows:
            carried = KIND.get(row.service)
            if carried is None:
                continue
            circuit = row.run.partition(":")[2] if row.run.startswith("circuit:") else None
            tested = (
                (circuit in read)
                if circuit is not None
                else bool(facts.water_tests)
                if row.service in ("water", "waste")
                else any(t.signed for t in facts.gas_tests)
                if row.service == "gas"
                else False
            )
            put(row.run.replace(":", "-"), row.name, carried, 2, _is_done(states, LAID_BY[row.service]), tested)
    return out


def _gates(d: Design, r: Report, facts: Facts, a: Asked) -> list[GatePart]:
    closings = {c.id: c for c in facts.closings}
    seen = {s.id: s for s in facts.seen}
    walls = {z: w for w, z in WALL_ZONE.items() if w not in ("under", "front")}
    out = []
    for zone, name in ZONES.items():
        closing = [t for t in a.tasks if any(z == zone and layer == 5 for z, layer in t.template.closes)]
        if not closing:
            continue
        items = behind_of(d, r, facts, a.states, zone)
        found, blocking, _ = checked([x for _, x in items], 5)
        c = closings.get(zone)
        rows = []
        for title, x in items:
            lacks = lacks_of(x)
            worst = next((s for s in ("danger", "fault", "advice") if any(f.severity == s for f in lacks)), "")
            rows.append(
                quick(
                    BehindPart,
                    id=x.id,
                    name=title,
                    kind=x.kind,
                    layer=x.layer,
                    done=x.done,
                    tested=x.tested,
                    labelled=x.labelled,
                    photo=x.photo,
                    waived=seen[x.id].waived if x.id in seen else "",
                    missing=[f.rule.removeprefix("build-gate-") for f in lacks],
                    severity=worst,
                    wants=[s is not None for s in SEVERITY[x.kind]],
                )
            )
        out.append(
            quick(
                GatePart,
                zone=zone,
                name=name,
                wall=walls.get(zone),
                closes=[t.id for t in closing],
                verdict="do_not_close" if blocking else "close_with_notes" if found else "close",
                blocking=len(blocking),
                items=rows,
                closed_on=c.on if c is not None and not c.opened else None,
                closed_by=c.who if c is not None and not c.opened else "",
            )
        )
    return out


def _shopping(d: Design, a: Asked, lines: Sequence[Line], facts: Facts, today: dt.date) -> list[BuyPart]:
    bought = {p.id: p for p in facts.purchases}
    b, out = d.build, []
    for x in lines:
        start = min((a.plan.rows[k].start for k in x.tasks if k in a.plan.rows), default=None)
        need = None if start is None else start.date()
        p = bought.get(x.key)
        status = p.status if p is not None else "planned"
        order = None
        left: int | None = None
        if need is not None and status == "planned":
            _, order = order_dates(need, b.lead_days, b.buffer_days)
            left = (order - today).days
        out.append(
            quick(
                BuyPart,
                key=x.key,
                name=x.name,
                service=x.service,
                amount=x.amount,
                unit=x.unit,
                packs=x.packs,
                price=p.price if p is not None and p.price is not None else x.price,
                of=list(x.of),
                task=x.tasks[0] if x.tasks else None,
                need_by=need.isoformat() if need else None,
                order_by=order.isoformat() if order else None,
                days_left=left,
                urgency=status_of(left) if status == "planned" and order is not None else "",
                status=status,
                bench=x.bench,
            )
        )
    return out


def _money(d: Design, shopping: Sequence[BuyPart], facts: Facts) -> MoneyPart:
    bought = {p.id: p for p in facts.purchases}
    rows: dict[str, MoneyRow] = {}
    unknown = 0
    for x in shopping:
        row = rows.setdefault(x.service, MoneyRow(service=x.service, planned=0.0, ordered=0.0, spent=0.0, open=0.0))
        p = bought.get(x.key)
        price = x.price
        if price is None:
            unknown += 1
            continue
        row.planned += price
        if p is None:
            row.open += price
        elif p.status == "ordered":
            row.ordered += price
        elif p.status != "returned":
            row.spent += price
    extra = [p for k, p in bought.items() if k not in {x.key for x in shopping} and p.price is not None and p.status != "returned"]
    if extra:
        row = rows.setdefault("other", MoneyRow(service="other", planned=0.0, ordered=0.0, spent=0.0, open=0.0))
        for p in extra:
            if p.status == "ordered":
                row.ordered += p.price or 0.0
            else:
                row.spent += p.price or 0.0
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


def _is_day(text: str) -> bool:
    try:
        dt.date.fromisoformat(text)
    except ValueError:
        return False
    return True


def _curve(a: Asked, facts: Facts, today: dt.date) -> CurvePart:
    """Hours by the library that were planned to be done by each week, what is done of them, and what was spent."""
    value = {t.id: mean_of(*t.hours) for t in a.tasks}
    done = sum(value[k] * min(1.0, s.done) for k, s in a.states.items() if k in value)
    dates = sorted({e.on[:10] for e in facts.log if _is_day(e.on[:10])})
    days = [*dates, today.isoformat()]
    earned, spent = [], []
    for day in days:
        sofar = states_of([e for e in facts.log if e.on[:10] <= day or not _is_day(e.on[:10])], today)
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


def _schools(d: Design, r: Report, facts: Facts, today: dt.date, a: Asked) -> list[SchoolPart]:
    """The other school of each setting: what it costs in hours and days."""
    out = []
    mine = schools_of(d)
    for setting, choices in SCHOOLS.items():
        other = next(c for c in choices if c != mine[setting])
        changed = d.model_copy(update={"build": d.build.model_copy(update={setting: other})})
        b = asked(changed, r, facts, today, explain=False)
        hours = sum(x.hours for x in b.plan.rows.values()) - sum(x.hours for x in a.plan.rows.values())
        days = 0.0 if b.plan.end is None or a.plan.end is None else (b.plan.end - a.plan.end).total_seconds() / 86400
        out.append(quick(SchoolPart, setting=setting, other=other, hours=hours, days=days))
    return out


def _findings(
    d: Design, r: Report, a: Asked, gates: Sequence[GatePart], shopping: Sequence[BuyPart], money: MoneyPart, facts: Facts, strays: Sequence[str]
) -> list[Finding]:
    out: list[Finding] = []
    names = {t.id: t.template.name for t in a.tasks}
    roots = [k for k, why in a.plan.impossible.items() if not why.startswith("It waits for")]
    for k in roots[:5]:
        blocked = len(a.plan.impossible) - len(roots)
        more = f" {blocked} more tasks wait for it." if blocked else ""
        out.append(finding("build-no-people", f"task:{k}", names[k], f"{names[k]}: {a.plan.impossible[k]}{more}"))
    lifts = [t for t in a.tasks if t.template.lift and t.id in a.plan.rows and a.plan.rows[t.id].ask and t.template.people > len(people_of(d.build))]
    if lifts:
        out.append(
            finding(
                "build-lift-alone",
                f"task:{lifts[0].id}",
                lifts[0].template.name,
                f"{'One person is' if len(people_of(d.build)) == 1 else 'Too few people are'} entered, and {len(lifts)} tasks have a lift for more: "
                f"{', '.join(t.template.name for t in lifts[:3])}. No plan of Bothy has a lone lift; it asks for help on those days.",
                related=[f"task:{t.id}" for t in lifts[1:6]],
            )
        )
    asks = [(k, row) for k, row in a.plan.rows.items() if row.ask and a.planner.tasks[k].template.licence != "none"]
    for licence in dict.fromkeys(a.planner.tasks[k].template.licence for k, _ in asks):
        mine = [(k, row) for k, row in asks if a.planner.tasks[k].template.licence == licence]
        k, row = min(mine, key=lambda x: x[1].start)
        work = f"{len(mine)} tasks are" if len(mine) > 1 else "One task is"
        out.append(
            finding(
                "build-trade-not-asked",
                f"task:{k}",
                names[k],
                f"{work} for {WORDS[licence]}, from about {row.start.day} {row.start:%B}, and no visit is entered; the plan takes the first working days.",
                related=[f"task:{x}" for x, _ in mine],
            )
        )
    stalled = [k for k, row in a.plan.rows.items() if row.stalls and a.planner.tasks[k].template.cure is not None]
    if stalled:
        out.append(
            finding(
                "build-cure-stalled",
                f"task:{stalled[0]}",
                names[stalled[0]],
                f"{names[stalled[0]]}: in {a.plan.rows[stalled[0]].end:%B} it doesn’t cure within forty days at the place of the build.",
                related=[f"task:{k}" for k in stalled[1:6]],
            )
        )
    b = d.build
    if b.deadline and a.plan.end is not None and a.plan.end.date() > dt.date.fromisoformat(b.deadline):
        late = (a.plan.end.date() - dt.date.fromisoformat(b.deadline)).days
        end, wanted = a.plan.end.date(), dt.date.fromisoformat(b.deadline)
        told = f"Done on {in_words(end)} by the plan, {late} day{'s' if late > 1 else ''} after the deadline of {in_words(wanted)}."
        later = could_wait(a)
        if later:
            listed = ", ".join(f"{name} ({hours:.0f} h)" for name, hours in later[:4])
            told += f" After moving in could come: {listed}; {sum(h for _, h in later):.0f} h in all. Tests, closings, alarms and licensed work stay."
        out.append(finding("build-deadline", "build", "Build", told))
    late_lines = [x for x in shopping if x.urgency == "late"]
    if late_lines:
        x = min(late_lines, key=lambda y: y.days_left or 0)
        more = f", and {len(late_lines) - 1} more lines" if len(late_lines) > 1 else ""
        out.append(
            finding(
                "build-order-late",
                f"buy:{x.key}"[:60],
                x.name,
                f"{x.name} should have been ordered {-(x.days_left or 0)} days ago{more}; it is needed on {x.need_by}.",
            )
        )
    for p in facts.purchases:
        if p.status == "received" and p.expected is not None and p.received is not None and p.received < p.expected:
            out.append(finding("build-parts-short", f"buy:{p.id}"[:60], p.name, f"{p.received:g} of {p.expected:g} came of {p.name}."))
        if p.damaged > 0:
            out.append(finding("build-parts-damaged", f"buy:{p.id}"[:60], p.name, f"{p.damaged:g} of {p.name} came damaged."))
    for g in gates:
        closed = g.closed_on is not None or any(k in a.states and a.states[k].done >= 1 for k in g.closes)
        if not closed:
            continue
        bad = [x for x in g.items if x.severity in ("danger", "fault")]
        if bad:
            what = ", ".join(x.name for x in bad[:4])
            out.append(
                finding("build-close-before-services", f"zone:{g.zone}", g.name, f"{g.name} is closed, and {len(bad)} things behind it are open: {what}.")
            )
        for check in ("not-done", "not-tested", "hidden-joint", "not-labelled", "no-photo"):
            lacking = [x for x in g.items if check in x.missing]
            if lacking:
                lacking_names = ", ".join(x.name for x in lacking[:4])
                out.append(finding(f"build-gate-{check}", f"zone:{g.zone}", g.name, f"Behind {g.name.lower()}, which is closed: {lacking_names}."))
    circle = tasks_and_circle(d, r)[1]
    if circle:
        out.append(
            finding("build-cycle", "build", "Build", f"What is to wait for {', '.join(circle[:4])} would wait in a circle; the plan leaves that order out.")
        )
    if strays:
        out.append(
            finding("build-not-belonging", "build", "Build", f"{len(strays)} tasks are done that the design no longer asks for: {', '.join(strays[:4])}.")
        )
    if a.pace.weight > 0 and not a.pace.low <= 1 <= a.pace.high:
        word = "slower" if a.pace.factor > 1 else "faster"
        out.append(
            finding(
                "build-pace",
                "build",
                "Build",
                f"The log says {a.pace.factor:.2f} hours for each of the library ({a.pace.low:.2f} to {a.pace.high:.2f}): {word}.",
            )
        )
    if money.budget is not None and money.budget > 0 and money.forecast > 0.9 * money.budget:
        out.append(
            finding(
                "build-budget", "build", "Build", f"The forecast is {100 * money.forecast / money.budget:.0f} % of the budget, open lines with 15 % on top."
            )
        )
    return in_order(out)


def strays_of(tasks: Sequence[Task], states: Mapping[str, State]) -> list[str]:
    """Names of what was begun and no longer belongs to the design."""
    here, known = {t.id for t in tasks}, whole_library()
    return [known[k].name if k in known else k for k in states if k not in here]


def build_part(d: Design, r: Report, facts: Facts, today: dt.date) -> BuildPart:
    """All of Build on a day."""
    a = asked(d, r, facts, today)
    lines = bill(d, r, facts, a.tasks)
    gates, shopping = _gates(d, r, facts, a), _shopping(d, a, lines, facts, today)
    money, strays = _money(d, shopping, facts), strays_of(a.tasks, a.states)
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
        tasks=_task_parts(d, a),
        now=_today(d, a, lines, facts, today),
        gates=gates,
        shopping=shopping,
        pace=quick(PacePart, factor=a.pace.factor, low=a.pace.low, high=a.pace.high, logs=len(a.states), weight=a.pace.weight),
        money=money,
        curve=_curve(a, facts, today),
        schools=_schools(d, r, facts, today, a),
        sky=[quick(MonthSky, month=m, low_c=c.tmin_c[m - 1], high_c=c.tmax_c[m - 1], rain_days=rain_days(c.place, m)) for m in range(1, 13)],
        asks=asks,
        strays=strays,
        findings=_findings(d, r, a, gates, shopping, money, facts, strays),
    )


RUNS = 200
SEED = 42


def fan(d: Design, r: Report, facts: Facts, today: dt.date, runs: int = RUNS) -> FanPart:
    """The finish by simulation: each run has one pace and its own hours for each task, and is planned with the same people and cures."""
    a = asked(d, r, facts, today, explain=False)
    rng = np.random.Generator(np.random.PCG64(SEED))
    base = durations_of(a.tasks, 1.0, a.states)
    urgent = a.planner.latest(base)
    tri = {t.id: t.hours for t in a.tasks}
    left = {k: 1 - (a.states[k].done if k in a.states else 0.0) for k in base}
    ends: list[dt.datetime] = []
    governed: dict[str, int] = {}
    for _ in range(runs):
        f = float(np.exp(rng.normal(np.log(a.pace.factor), a.pace.sd_ln)))
        hours = {}
        for k in base:
            low, mode, high = tri[k]
            one = float(rng.triangular(low, mode, high)) if high > low else low
            hours[k] = -(-one * f * left[k] // 0.5) * 0.5
        plan = a.planner.run(hours, False, urgent)
        if plan.end is not None:
            ends.append(plan.end)
        for k in _governing(plan):
            governed[k] = governed.get(k, 0) + 1
    ends.sort()

    def at(q: float) -> str | None:
        return None if not ends else ends[min(len(ends) - 1, int(q * len(ends)))].date().isoformat()

    deadline = dt.date.fromisoformat(d.build.deadline) if d.build.deadline else None
    chance = None if deadline is None or not ends else sum(e.date() <= deadline for e in ends) / len(ends)
    top = sorted(governed.items(), key=lambda kv: -kv[1])[:20]
    return quick(FanPart, runs=runs, p10=at(0.1), p50=at(0.5), p80=at(0.8), p95=at(0.95), chance=chance, late={k: n / runs for k, n in top})
