"""Tasks and plan: no circles in any vehicle, no plan that breaks an order, a cure, a session or a person; what the design and the log do to it."""

from __future__ import annotations

import datetime as dt
from collections import Counter
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from tests.core.roof.test_roof_rules import planned as roofed
from tests.designs import BANK, LAMP, blank

from bothy.core.build.asked import asked, states_of
from bothy.core.build.better import better
from bothy.core.build.calendar import LONGEST_CURE_H, Sky, cure_hours, cure_hours_measured, hours_of
from bothy.core.build.findings import AFTER_MOVING_IN
from bothy.core.build.from_design import tags_of, tasks_of
from bothy.core.build.hot_work import IGNITES, SOLVENT
from bothy.core.build.items import items_of
from bothy.core.build.plan import Plan, Planner, durations_of
from bothy.core.build.simulated import fan
from bothy.core.build.task_list import Task, generate, usual_schools
from bothy.core.build.templates import SCHOOLS, TAGS, library, whole_library
from bothy.core.build.worked import build_part, strays_of
from bothy.core.catalogue.climates import climates
from bothy.core.catalogue.workshop import goods, rain_days, tools
from bothy.core.contract import BadInput
from bothy.core.design.build import Build
from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Evidence, entries_between, facts_of
from bothy.core.finding import RULES
from bothy.core.recording import record
from bothy.core.report import report
from bothy.core.roof.curing import Coming, coming_of
from bothy.demo import curlew, fiddlehead, saltbush

DAY = dt.date(2027, 3, 6)
ANY = st.fixed_dictionaries({k: st.sampled_from(v) for k, v in SCHOOLS.items()})


@settings(deadline=None, max_examples=150)
@given(tags=st.frozensets(st.sampled_from(sorted(TAGS))), schools=ANY)
def test_no_vehicle_has_tasks_that_wait_in_a_circle(tags: frozenset[str], schools: dict[str, str]) -> None:
    for templates in (library(), whole_library()):
        tasks = generate(tags, {}, schools, templates)
        at = {t.id: i for i, t in enumerate(tasks)}
        assert all(at[p] < at[t.id] for t in tasks for p in t.hard), "the order of the work keeps what is before"
        assert all(p in at for t in tasks for p in (*t.hard, *t.pref))


def test_a_gate_waits_for_everything_under_its_layer() -> None:
    tasks = {t.id: t for t in generate(TAGS - {"spray_foam", "boat"}, {}, usual_schools(), whole_library())}
    for t in tasks.values():
        for zone, layer in t.template.closes:
            under = {k for k, x in tasks.items() if k != t.id and any(z == zone and j < layer for z, j in x.inside)}
            assert under <= set(t.hard), (t.id, under - set(t.hard))


def test_the_insulation_of_a_ceiling_waits_for_its_openings_and_their_water_test() -> None:
    tasks = {t.id: t for t in generate(frozenset({"roof_fan", "dc_panel", "battery", "solar"}), {}, usual_schools(), library())}
    before = tasks["insulate-ceiling"].hard
    assert {"roof-water-test", "fit-roof-fan", "ff-test", "rust-treat"} <= set(before)
    without = {t.id: t for t in generate(frozenset({"dc_panel"}), {}, usual_schools(), library())}
    assert "roof-water-test" not in without["insulate-ceiling"].hard


def test_a_task_that_is_left_out_hands_on_what_it_waited_for() -> None:
    whole = {t.id: t for t in generate(frozenset({"roof_fan"}), {}, usual_schools(), library())}
    less = {t.id: t for t in generate(frozenset({"roof_fan"}), {}, usual_schools(), library(), without=frozenset({"mark-openings"}))}
    assert "mark-openings" in whole["cut-roof"].hard and "mark-openings" not in less
    assert set(whole["mark-openings"].hard) <= set(less["cut-roof"].hard)


def test_every_word_of_the_library_is_known() -> None:
    for t in whole_library().values():
        assert set(t.parts) <= set(goods()) and set(t.tools) <= set(tools()), t.id
        assert all(p in whole_library() for p in (*t.hard, *t.pref)), t.id
    assert all(0 <= rain_days(c, m) <= 31 for c in climates() for m in range(1, 13))


def check(tasks: list[Task], plan: Plan, planner: Planner, build: Build, begin: dt.datetime) -> None:
    """An independent look at a plan: order, cures, sessions and people, from its pieces alone."""
    known = {t.id: t for t in tasks}
    use: Counter[int] = Counter()
    hours = hours_of(build, begin.date())
    for k, row in plan.rows.items():
        t = known[k]
        assert row.start >= begin
        for a, b in row.pieces:
            assert a < b
            for slot in range(a, b):
                if t.template.licence == "none":
                    use[slot] += min(t.template.people, int(hours.people.max()))
                    assert hours.people[slot] > 0, f"{k} in an hour in which nobody is there"
        for p, wait in t.hard.items():
            if p not in plan.rows:
                continue
            before = plan.rows[p]
            least = before.end
            cure = known[p].template.cure
            if wait and cure is not None:
                h = cure_hours(planner.sky, cure, before.end.month, before.end.hour, not known[p].template.outdoor)
                least += dt.timedelta(hours=LONGEST_CURE_H if h is None else h)
            assert row.start >= least - dt.timedelta(seconds=1) or not row.pieces, (k, p)
        if t.template.min_c is not None and t.template.outdoor and row.pieces:
            first = hours.at(row.pieces[0][0])
            temps = planner.sky.temps(first.month, inside=False)
            assert temps[first.hour * 2 + first.minute // 30] >= t.template.min_c - 1e-9
    assert all(n <= hours.people[slot] for slot, n in use.items()), "more at work than are there"


SESSIONS = st.lists(st.tuples(st.integers(0, 6), st.integers(7, 12), st.integers(2, 8)), min_size=1, max_size=3, unique_by=lambda s: s[0])


@settings(deadline=None, max_examples=25)
@given(
    tags=st.frozensets(st.sampled_from(sorted(TAGS)), min_size=3, max_size=20),
    sessions=SESSIONS,
    people=st.integers(1, 3),
    place=st.sampled_from(["london", "inverness", "alice_springs", "kiruna"]),
    hall=st.booleans(),
    month=st.integers(1, 12),
)
def test_no_plan_breaks_order_cure_session_or_people(tags: frozenset[str], sessions: Any, people: int, place: str, hall: bool, month: int) -> None:
    worker = [{"weekday": d, "from_h": float(a), "to_h": float(a + n)} for d, a, n in sessions]
    build = Build.model_validate({"people": [{"id": f"p{i}", "name": "P", "hours": "own", "sessions": worker} for i in range(people)]})
    tasks = generate(tags, {}, usual_schools(), whole_library())
    begin = dt.datetime(2027, month, 3)
    planner = Planner(tasks, hours_of(build, begin.date()), Sky(climates()[place], hall, 18.0 if hall else None), {}, {}, begin)
    durations = durations_of(tasks, 1.0, {})
    plan = planner.run(durations)
    check(tasks, plan, planner, build, begin)
    if hall and not plan.impossible:
        assert set(plan.rows) == set(durations)
        assert plan.end is not None and plan.bound is not None
        assert plan.bound <= plan.end + dt.timedelta(hours=1)
    again = Planner(tasks, hours_of(build, begin.date()), Sky(climates()[place], hall, 18.0 if hall else None), {}, {}, begin, None, list(reversed(durations)))
    turned = again.run(durations)
    check(tasks, turned, again, build, begin)
    if turned.end is not None and plan.bound is not None and not turned.impossible and not plan.impossible:
        assert plan.bound <= turned.end + dt.timedelta(hours=1), "whatever the order"


def design(**build: Any) -> Design:
    data = blank(vehicle={"preset": "panel_van"}, life={"appliances": [LAMP]}, power={"bank": BANK})
    data["build"] = {"start_day": DAY.isoformat(), **build}
    return load_design(data)


def part(d: Design, facts: dict[str, Any] | None = None, today: dt.date = DAY) -> Any:
    return build_part(d, report(d), Facts.model_validate(facts or {}), today)


def rules_of(d: Design, facts: dict[str, Any] | None = None, today: dt.date = DAY) -> dict[str, Any]:
    return {f.rule: f for f in part(d, facts, today).findings}


def entry(task: str, hours: float = 2.0, done: float = 1.0, on: str = "2027-03-06", id: str = "") -> dict[str, Any]:
    return {"id": id or task[:40], "task": task, "name": task, "on": on, "hours": hours, "done_frac": done}


def test_a_second_person_and_longer_hours_end_it_sooner_and_days_off_later() -> None:
    alone = part(design())
    two = part(design(people=[{"id": "a", "name": "A"}, {"id": "b", "name": "B"}]))
    full = part(design(people=[{"id": "a", "name": "A", "hours": "full_time"}]))
    off = part(design(away=[{"id": "x", "name": "Off", "first": "2027-04-01", "last": "2027-04-30"}]))
    assert full.end < two.end < alone.end < off.end


def test_a_pin_holds_a_task_back_and_says_so() -> None:
    b = part(design(pins=[{"task": "strip-out", "day": "2027-05-01"}]))
    t = next(x for x in b.tasks if x.id == "strip-out")
    assert t.start >= "2027-05-01" and any("pinned" in r for r in t.reasons)
    assert b.end > part(design()).end


def test_a_delivery_moves_the_date_and_says_so() -> None:
    """Ordered: the task that takes it waits for the promised day; come whole: it doesn't; come short: for what is promised of the rest."""
    bank = {"id": "power-bank", "name": "Bank", "status": "ordered", "due_on": "2027-08-02"}
    takes = next(x for x in part(design()).shopping if x.key == "power-bank").task
    at = lambda facts: next(t for t in part(design(), facts).tasks if t.id == takes)  # noqa: E731
    free, late = at({}), at({"purchases": [bank]})
    assert free.start < "2027-08-02" <= late.start
    assert any("promised for Mon 02 Aug" in r for r in late.reasons)
    assert at({"purchases": [{**bank, "status": "received", "expected": 1.0, "received": 1.0}]}).start == free.start
    short = at({"purchases": [{**bank, "status": "received", "expected": 2.0, "received": 1.0}]})
    broken = at({"purchases": [{**bank, "status": "received", "expected": 1.0, "received": 1.0, "damaged": 1.0}]})
    assert short.start == broken.start == late.start
    assert at({"purchases": [{**bank, "due_on": "2020-01-01"}]}).start == free.start, "overdue: it may come any day"
    assert at({"purchases": [{**bank, "due_on": "soon"}]}).start == free.start


def test_an_own_task_stands_where_it_is_put() -> None:
    d = design(own=[{"id": "paint", "name": "Paint the outside", "hours": 6, "after": ["strip-out"], "before": ["rust-treat"]}])
    t = {x.id: x for x in part(d).tasks}
    assert t["own-paint"].start >= t["strip-out"].end and t["rust-treat"].start >= t["own-paint"].end
    assert "own-paint" in t["rust-treat"].hard


def test_every_date_has_its_reasons() -> None:
    for demo in (curlew, saltbush):
        b = build_part(demo.design(), report(demo.design()), Facts(), DAY)
        assert all(t.reasons for t in b.tasks if t.start and t.state != "done"), [t.id for t in b.tasks if not t.reasons]


def test_a_day_that_is_done_moves_the_rest_and_half_done_counts_half() -> None:
    d = design()
    before = part(d)
    half = part(d, {"log": [entry("strip-out", 5, 0.5)]})
    whole = part(d, {"log": [entry("strip-out", 5, 0.5, id="a"), entry("strip-out", 5, 1.0, id="b")]})
    one = next(t for t in half.tasks if t.id == "strip-out")
    assert one.state == "begun" and 0 < one.hours < next(t for t in before.tasks if t.id == "strip-out").hours
    two = next(t for t in whole.tasks if t.id == "strip-out")
    assert two.state == "done" and two.spent_h == 10
    assert half.done_h < whole.done_h


def test_what_was_done_and_no_longer_belongs_is_said() -> None:
    d = roofed()
    facts = Facts.model_validate({"log": [entry("cut-roof"), entry("fit-roof-fan")]})
    assert strays_of(tasks_of(d, report(d)), states_of(facts.log, DAY)) == []
    gone = apply_patch(d, [{"op": "replace", "path": "/life/appliances", "value": []}])
    found = {f.rule: f for f in build_part(gone, report(gone), facts, DAY).findings}
    assert "Of the tasks that are done 2 are no longer in the design" in found["build-not-belonging"].message


def test_today_shows_only_what_waits_for_nothing() -> None:
    d = design()
    assert part(d).now.tasks[:1] == ["plan-weigh-empty"]
    after = part(d, {"log": [entry("plan-weigh-empty"), entry("strip-out"), entry("deep-clean")]})
    known = {t.id: t for t in after.tasks}
    done = {"plan-weigh-empty", "strip-out", "deep-clean"}
    assert "rust-treat" in after.now.tasks
    for k in after.now.tasks:
        assert set(known[k].hard) & set(known) <= done
    cold = part(d, {"log": [entry("rust-treat", on="2027-03-06"), entry("deep-clean")]})
    assert "floor-battens" not in cold.now.tasks, "its paint has not cured on the day it was put on"


def test_a_wall_is_not_closed_over_an_untested_cable_and_is_once_it_is_tested() -> None:
    d = curlew.design()
    r = report(d)
    gate = next(g for g in build_part(d, r, Facts(), DAY).gates if g.zone == "wall_left")
    assert gate.verdict == "do_not_close" and gate.blocking == sum(x.severity in ("danger", "fault") for x in gate.items)
    cable = next(x for x in gate.items if x.kind == "dc_cable")
    seen = [{"id": x.id, "done": True, "tested": True} for x in gate.items if x.id != cable.id]
    open_ = Facts.model_validate({"seen": [*seen, {"id": cable.id, "done": True}]})
    gate = next(g for g in build_part(d, r, open_, DAY).gates if g.zone == "wall_left")
    assert [x.id for x in gate.items if x.severity in ("danger", "fault")] == [cable.id] and gate.verdict == "do_not_close"
    tested = Facts.model_validate({"seen": [*seen, {"id": cable.id, "done": True, "tested": True}]})
    gate = next(g for g in build_part(d, r, tested, DAY).gates if g.zone == "wall_left")
    assert gate.verdict == "close_with_notes", "labels and photographs are advice"


def test_the_list_holds_what_the_design_has_and_what_is_owned_is_not_bought() -> None:
    d = design()
    lines = {x.key: x for x in part(d).shopping}
    assert lines["power-bank"].task == "bench-charge" and lines["power-bank"].bench
    assert lines["power-bank"].order_by < lines["power-bank"].need_by
    owned = apply_patch(d, [{"op": "replace", "path": "/power/bank/owned", "value": True}])
    assert "power-bank" not in {x.key for x in part(owned).shopping}
    bought = part(d, {"purchases": [{"id": "power-bank", "name": "Bank", "status": "received", "price": 900.0}]})
    line = next(x for x in bought.shopping if x.key == "power-bank")
    assert line.status == "received" and line.price == 900 and line.order_by is None and bought.money.spent == 900


def test_money_adds_up() -> None:
    b = part(curlew.design(), curlew.facts().model_dump(mode="json"), dt.date(2026, 11, 28))
    m = b.money
    assert m.planned == pytest.approx(sum(x.price for x in b.shopping if x.price is not None))
    assert m.planned == pytest.approx(sum(r.open + r.ordered + r.spent for r in m.rows if r.service != "other"))
    assert m.forecast == pytest.approx(m.spent + m.ordered + 1.15 * sum(r.open for r in m.rows))


def test_an_order_that_ends_sooner_ends_as_was_said_when_it_is_taken() -> None:
    d, day = curlew.design(), dt.date(2026, 11, 28)
    facts = curlew.facts()
    r = report(d)
    found = better(d, r, facts, day, tries=3000)
    assert found.now and found.end and found.bound
    assert found.bound <= found.end < found.now and found.saved_days > 0 and found.moved > 0
    assert found.gap is not None and 0 <= found.gap < 1
    taken = apply_patch(d, [{"op": "replace", "path": "/build/order", "value": found.order}])
    b = build_part(taken, report(taken), facts, day)
    assert b.end == found.end and b.ordered
    assert better(d, r, facts, day, tries=3000) == found, "the same search finds the same"
    none = better(d, r, facts, day, going=lambda: False)
    assert (none.order, none.tries, none.end) == ([], 0, none.now)


def test_a_lone_builder_on_weekends_is_near_the_bound_from_nothing() -> None:
    d, day = curlew.design(), dt.date(2026, 11, 28)
    found = better(d, report(d), Facts(), day, tries=40)
    assert found.gap is not None and found.gap <= 0.12
    a = asked(d, report(d), Facts(), day, explain=False)
    hours, p = durations_of(a.tasks, a.pace.factor, a.states), a.planner
    soonest = p._soonest(hours)
    assert all(soonest[k].start <= row.start for k, row in a.plan.rows.items() if row.pieces), "no task of any plan begins before that"
    alone = max(x.end for x in soonest.values())
    bound = p.bound(hours)
    assert bound is not None and bound > alone + dt.timedelta(days=20), "what is left from March on takes its weekends"


def test_a_task_that_came_since_an_order_was_taken_goes_by_its_urgency() -> None:
    d = design(own=[{"id": "later", "name": "Later", "hours": 4}])
    r = report(d)
    a = asked(d, r, Facts(), DAY)
    order = [t.id for t in a.tasks if t.id != "own-later"]
    taken = apply_patch(d, [{"op": "replace", "path": "/build/order", "value": [*order, "gone-since"]}])
    b = part(taken)
    assert "own-later" in {t.id for t in b.tasks if t.start}
    assert {t.id for t in b.tasks if t.start} == {t.id for t in a.tasks}


def test_money_is_set_aside_by_service_and_what_is_over_is_said() -> None:
    facts = curlew.facts().model_dump(mode="json")
    d = apply_patch(curlew.design(), [{"op": "replace", "path": "/build/budgets", "value": {"power": 100, "warmth": 9000, "paint": 50}}])
    b = part(d, facts, dt.date(2026, 11, 28))
    rows = {x.service: x for x in b.money.rows}
    assert (rows["power"].budget, rows["warmth"].budget, rows["paint"].budget, rows["workshop"].budget) == (100, 9000, 50, None)
    assert rows["power"].forecast == pytest.approx(rows["power"].spent + rows["power"].ordered + 1.15 * rows["power"].open)
    assert [f.subject for f in b.findings if f.rule == "build-budget"] == ["power"]
    for bad in ({"power": -1}, {"Power!": 3}):
        with pytest.raises(BadInput):
            apply_patch(d, [{"op": "replace", "path": "/build/budgets", "value": bad}])


def test_a_plan_is_kept_to_compare_with() -> None:
    d = design()
    b = part(d)
    kept = {"day": DAY.isoformat(), "end": b.end, "tasks": {t.id: [t.start, t.end] for t in b.tasks if t.start}}
    same = part(apply_patch(d, [{"op": "replace", "path": "/build/baseline", "value": kept}]))
    assert same.baseline.days == 0 and same.baseline.tasks == kept["tasks"]
    away = [{"id": "w", "first": "2027-03-08", "last": "2027-03-21"}]
    later = part(apply_patch(d, [{"op": "replace", "path": "/build/baseline", "value": kept}, {"op": "replace", "path": "/build/away", "value": away}]))
    assert later.baseline.days == pytest.approx((dt.datetime.fromisoformat(later.end) - dt.datetime.fromisoformat(b.end)).total_seconds() / 86_400)
    assert later.baseline.days > 0
    for bad, key in (({**kept, "day": "soon"}, "day"), ({**kept, "end": "noon"}, "end"), ({**kept, "tasks": {"a": ["2027-03-09", "2027-03-08"]}}, "tasks")):
        with pytest.raises(BadInput) as refused:
            apply_patch(d, [{"op": "replace", "path": "/build/baseline", "value": bad}])
        assert key in str(refused.value.key)


# --- the days ahead


def days(*rows: tuple[float, float, float], first: dt.date = DAY) -> list[dict[str, Any]]:
    """Days of a forecast from a first one on: low, high, chance of rain."""
    return [{"day": (first + dt.timedelta(days=i)).isoformat(), "low_c": a, "high_c": b, "rain_frac": w} for i, (a, b, w) in enumerate(rows)]


def ahead(*rows: tuple[float, float, float]) -> tuple[Coming, ...]:
    return coming_of(Build.model_validate({"coming": days(*rows)}))


def test_a_cure_goes_by_the_forecast_and_then_by_the_normals() -> None:
    c = climates()["london"]
    cold, warm = Sky(c, False, None, ahead(*[(-5, -2, 0)] * 3)), Sky(c, False, None, ahead(*[(18, 24, 0)] * 3))
    usual = Sky(c, False, None)
    hours = [cure_hours(sky, "ms_sealant", 3, 9, False, DAY) for sky in (warm, usual, cold)]
    assert hours[0] < hours[1] < hours[2], "the warmer, the sooner"
    assert cure_hours(warm, "ms_sealant", 3, 9, False, DAY + dt.timedelta(days=9)) == hours[1], "beyond the forecast the normals count"
    assert cure_hours(Sky(c, True, 18.0, ahead((-20, -10, 1))), "ms_sealant", 3, 9, False, DAY) == cure_hours(Sky(c, True, 18.0), "ms_sealant", 3, 9, False)
    air = cold.air(3, 9, 24 * 5, False, DAY)
    assert len(air) == 24 * 5
    assert max(a.temp_c for a in air[: 15 + 48]) < 0, "three days of frost"
    assert air[15 + 48 :] == usual.air(3, 0, 24 * 5 - 63, False), "then days of March"


@given(st.lists(st.floats(0, 1), min_size=1, max_size=10), st.integers(1, 4))
def test_dry_days_are_waited_for_by_the_forecast(rain: list[float], need: int) -> None:
    """The wait is the first run of so many dry days, by a look at each day; where none begins in the forecast it is longer than the forecast lets it be."""
    planner = Planner(
        [], hours_of(Build(), DAY), Sky(climates()["london"], False, None, ahead(*[(5, 12, w) for w in rain])), {}, {}, dt.datetime.combine(DAY, dt.time())
    )
    here = dt.datetime.combine(DAY, dt.time(9))
    waited = planner.dry_after(here, need)
    dry = [w < 0.5 for w in rain]
    first = next((i for i in range(len(rain) - need + 1) if all(dry[i : i + need])), None)
    if first is not None:
        assert waited == pytest.approx(0 if first == 0 else first - 9 / 24)
    else:
        assert waited >= len(rain) - need - 9 / 24
    assert Planner([], hours_of(Build(), DAY), Sky(climates()["london"], True, None, ahead((5, 12, 1))), {}, {}, here).dry_after(here, need) == 0, (
        "a hall is dry"
    )


def test_a_warm_forecast_lets_outdoor_work_begin_and_a_cold_one_holds_it() -> None:
    """A bead on the roof wants 5 °C at least: a March that stays at frost for two weeks moves it, and the reason says so."""
    base = apply_patch(roofed(), [{"op": "replace", "path": "/build/start_day", "value": DAY.isoformat()}])
    full = [{"op": "replace", "path": "/build/people", "value": [{"id": "a", "name": "A", "hours": "full_time"}]}]
    base = apply_patch(base, full)

    def ends(rows: list[dict[str, Any]]) -> str:
        return str(part(apply_patch(base, [{"op": "replace", "path": "/build/coming", "value": rows}])).end)

    assert ends(days(*[(14, 20, 0.0)] * 16)) < ends(days(*[(-9, -4, 0.9)] * 16))
    assert ends([]) == part(base).end


def test_today_tells_the_weather_of_the_day() -> None:
    d = design(coming=days((3, 9, 0.7), (2, 8, 0.1)))
    assert "by the forecast: 3 to 9 °C, 70 % rain" in part(d).now.weather
    assert "usual of the month" in part(d, None, DAY + dt.timedelta(days=5)).now.weather


@pytest.mark.parametrize(
    ("rows", "key"),
    [
        ([{"day": "2027-03-06", "low_c": 9, "high_c": 3}], "high_c"),
        ([{"day": "soon", "low_c": 1, "high_c": 3}], "day"),
        (days((1, 2, 0), (1, 2, 0))[::-1], "day"),
        ([{"day": "2027-03-06", "low_c": -90, "high_c": 3}], "low_c"),
        ([{"day": "2027-03-06", "low_c": 1, "high_c": 3, "rain_frac": 2}], "rain_frac"),
        (days(*[(1, 2, 0)] * 17), "coming"),
    ],
)
def test_a_forecast_that_can_not_be_is_refused(rows: list[dict[str, Any]], key: str) -> None:
    with pytest.raises(BadInput) as refused:
        apply_patch(design(), [{"op": "replace", "path": "/build/coming", "value": rows}])
    assert key in str(refused.value.key)


def test_a_bond_of_a_day_that_the_forecast_reaches_cures_by_it() -> None:
    bonded = apply_patch(roofed(), [{"op": "replace", "path": "/fit/roof/bonding/day", "value": DAY.isoformat()}])
    usual = report(bonded).roof.cure
    warm = report(apply_patch(bonded, [{"op": "replace", "path": "/build/coming", "value": days(*[(18, 26, 0)] * 7)}])).roof.cure
    assert "average weather of" in usual.known and warm.known == "the forecast of the days ahead"
    assert warm.drive_h is not None and usual.drive_h is not None and warm.drive_h < usual.drive_h
    frost = apply_patch(bonded, [{"op": "replace", "path": "/build/coming", "value": days(*[(-6, -1, 0)] * 7)}])
    assert "fit-cure-too-cold" in {f.rule for f in report(frost).findings}


def test_the_air_that_was_measured_with_a_cure_counts_for_the_first_half_day() -> None:
    sky, noon = Sky(climates()["bergen"] if "bergen" in climates() else next(iter(climates().values())), False, None), dt.datetime(2027, 4, 10, 12)
    usual = cure_hours(sky, "ms_sealant", 4, 12, False)
    warm, cold = (cure_hours_measured(sky, "ms_sealant", noon, False, (t, 0.6)) for t in (25.0, 1.0))
    assert usual is not None and warm is not None and cold is not None
    assert warm < usual < cold, "a warm bay hurries it, frost holds it up"
    assert cold >= 12, "in the first half day nothing happens at 1 °C"
    air = sky.air(4, 12, 48, False)[0]
    same = cure_hours_measured(sky, "ms_sealant", noon, False, (air.temp_c, None))
    assert same is not None and abs(same - usual) < 12


def test_what_comes_after_a_cold_bond_waits_longer() -> None:
    def after(**air: float) -> str:
        b = part(design(), {"log": [*(entry(k) for k in ("plan-weigh-empty", "strip-out", "deep-clean")), {**entry("rust-treat"), **air}]})
        return next(t.start for t in b.tasks if t.id == "sound-deadening")

    assert after(temp_c=20.0, rh_frac=0.5) <= after() <= after(temp_c=0.0, rh_frac=0.9)
    assert after(temp_c=20.0, rh_frac=0.5) < after(temp_c=0.0, rh_frac=0.9)


WARM = {"hall": True, "hall_temp_c": 20.0}
BANK_HERE = {"id": "power-bank", "name": "Bank", "status": "received", "received_on": DAY.isoformat()}


def warm_roof() -> Design:
    return apply_patch(roofed(), [{"op": "replace", "path": f"/build/{k}", "value": v} for k, v in WARM.items()])


def licensed(task: str, licence: str) -> tuple[Any, Any]:
    """Ann enters licensed work as hers: without the licence, and with it."""

    def by(*licences: str) -> Any:
        people = [{"id": "a", "name": "Ann", "licences": list(licences)}]
        ops = [{"op": "replace", "path": "/build/people", "value": people}, {"op": "replace", "path": "/build/also", "value": ["belted_seat"]}]
        return apply_patch(curlew.design(), ops), {"log": [{**entry(task), "who": "ann "}]}

    return by(), by(licence)


def visited(day: str) -> Design:
    visit = {"id": "fitter", "name": "Gas fitter", "licence": "gas_fitter", "day": day}
    return apply_patch(curlew.design(), [{"op": "replace", "path": "/build/visits", "value": [visit]}])


RUST_TREATED = [entry(k) for k in ("plan-weigh-empty", "plan-measure-shell", "strip-out", "deep-clean", "leak-hunt", "rust-treat", "sound-deadening")]
"""At 6 °C the battens are laid, and their adhesive never cures; the rust could not even be treated."""
LOADS = items_of(curlew.design(), report(curlew.design()))["sf-loads"]


def one_by_one(*items: list[str], task: str = "sf-loads") -> Facts:
    """What is taken down where a task is ticked entry by entry, none of which says how far it is."""
    return Facts.model_validate({"log": [{"id": f"e{i}", "task": task, "hours": 0, "items": list(x)} for i, x in enumerate(items)]})


def taken_down(design: Design, *states: Facts) -> Facts:
    """Facts after facts, each taken down on the one before."""
    evidence: tuple[Evidence, ...] = ()
    for facts in states:
        evidence = (*evidence, *record(design, evidence, entries_between(facts_of(evidence), facts), variant="v", revision=1).new)
    return facts_of(evidence)


def test_how_far_a_task_is_follows_from_its_ticks_also_when_nobody_says_it() -> None:
    design, ids = curlew.design(), [i.id for i in LOADS]
    n = len(ids)
    assert n > 3
    one, two = one_by_one(ids[:1]), one_by_one(ids[:1], ids[1:3])
    assert taken_down(design, one).log[-1].done_frac == pytest.approx(1 / n)
    assert taken_down(design, one, two).log[-1].done_frac == pytest.approx(3 / n)
    every = taken_down(design, one_by_one(ids[:1]), one_by_one(ids[:1], ids[1:]))
    assert every.log[-1].done_frac == 1.0
    assert states_of(every.log, DAY)["sf-loads"].done == 1.0
    back = taken_down(design, one, one_by_one([]))  # the only tick is taken back
    assert back.log[-1].done_frac == 0.0
    told = Facts.model_validate({"log": [{"id": "a", "task": "sf-loads", "hours": 2}]})  # never ticked: what is worked on is done unless it says otherwise
    assert states_of(taken_down(design, told).log, DAY)["sf-loads"].done == 1.0


CASES: dict[str, tuple[Any, Any]] = {
    "build-no-people": (
        (design(people=[{"id": "a", "name": "A", "from_day": "2027-03-06", "to_day": "2027-03-07"}]), None),
        (design(), None),
    ),
    "build-lift-alone": (
        (apply_patch(roofed(), [{"op": "replace", "path": "/build/start_day", "value": "2027-03-06"}]), None),
        (
            apply_patch(
                roofed(), [{"op": "replace", "path": "/build/people", "value": [{"id": "a", "name": "A"}, {"id": "b", "name": "B"}, {"id": "c", "name": "C"}]}]
            ),
            None,
        ),
    ),
    "build-cure-air": (
        (design(), {"log": [{**entry("rust-treat"), "temp_c": 2.0}]}),
        (design(), {"log": [{**entry("rust-treat"), "temp_c": 18.0}]}),
    ),
    "build-deadline": ((design(deadline="2027-04-01"), None), (design(deadline="2029-04-01"), None)),
    "build-order-late": ((design(lead_days=30), None), (design(lead_days=0, buffer_days=0), None)),
    "build-parts-short": (
        (design(), {"purchases": [{"id": "power-bank", "name": "Bank", "status": "received", "expected": 3.0, "received": 2.0}]}),
        (design(), {"purchases": [{"id": "power-bank", "name": "Bank", "status": "received", "expected": 3.0, "received": 3.0}]}),
    ),
    "build-parts-damaged": (
        (design(), {"purchases": [{"id": "power-bank", "name": "Bank", "status": "received", "damaged": 1.0}]}),
        (design(), {"purchases": [{"id": "power-bank", "name": "Bank", "status": "received", "damaged": 0.0}]}),
    ),
    "build-pace": (
        (design(), {"log": [entry("strip-out", 60), entry("rust-treat", 60), entry("deep-clean", 60)]}),
        (design(), {"log": [entry("strip-out", 10), entry("rust-treat", 8), entry("deep-clean", 3)]}),
    ),
    "build-cycle": (
        (design(own=[{"id": "x", "name": "X", "hours": 1, "after": ["fin-handover"], "before": ["strip-out"]}]), None),
        (design(own=[{"id": "x", "name": "X", "hours": 1, "after": ["strip-out"], "before": ["fin-handover"]}]), None),
    ),
    "build-budget": ((design(budget=300), None), (design(budget=100000), None)),
    "build-close-before-services": (
        (design(), {"log": [entry("line-ceiling")]}),
        (design(), {"log": [entry("line-ceiling"), entry("rust-treat"), entry("insulate-ceiling"), entry("sound-deadening"), entry("vapour-barrier")]}),
    ),
    "build-gate-not-done": (
        (design(), {"log": [entry("line-ceiling")]}),
        (design(), {"log": [entry("line-ceiling"), entry("rust-treat"), entry("insulate-ceiling"), entry("sound-deadening"), entry("vapour-barrier")]}),
    ),
    "build-gate-no-photo": (
        (design(), {"log": [entry("line-ceiling"), entry("rust-treat")]}),
        (design(), {"log": [entry("line-ceiling"), entry("rust-treat")], "seen": [{"id": "ceiling:rust", "photo": True}]}),
    ),
    "build-not-belonging": ((design(), {"log": [entry("fit-through-hull")]}), (design(), {"log": [entry("strip-out")]})),
    "build-items-left": (
        (curlew.design(), {"log": [{**entry("sf-loads"), "items": [i.id for i in LOADS[1:]]}]}),
        (curlew.design(), {"log": [{**entry("sf-loads"), "items": [i.id for i in LOADS]}]}),
    ),
    "build-trade-not-asked": ((curlew.design(), None), (design(), None)),
    "build-cure-short": (
        (design(**WARM), {"log": [entry("floor-battens", on="2027-03-01"), entry("floor-insulation", on="2027-03-02")]}),
        (design(**WARM), {"log": [entry("floor-battens", on="2027-03-01"), entry("floor-insulation", on="2027-03-20")]}),
    ),
    "build-bare-edge": (
        (warm_roof(), {"log": [entry("fit-roof-fan", on="2027-03-20")]}),
        (warm_roof(), {"log": [entry("paint-edges", on="2027-03-01"), entry("fit-roof-fan", on="2027-03-20")]}),
    ),
    "build-no-water-test": (
        (roofed(), {"log": [entry("insulate-ceiling")]}),
        (roofed(), {"log": [entry("insulate-ceiling"), entry("roof-water-test")]}),
    ),
    "build-cut-unchecked": (
        (roofed(), {"log": [entry("cut-roof"), entry("mark-openings")]}),
        (roofed(), {"log": [entry("cut-roof"), entry("mark-openings"), entry("receive-parts")]}),
    ),
    "build-battery-early": (
        (curlew.design(), {"log": [entry("com-first-power", done=0.5)]}),
        (curlew.design(), {"log": [entry("com-first-power"), entry("com-dead-tests")]}),
    ),
    "build-duct-before-box": (
        (curlew.design(), {"log": [entry("box-heater")]}),
        (curlew.design(), {"log": [entry("box-heater"), entry("connect-ducts")]}),
    ),
    "build-no-bench-test": (
        (curlew.design(), {"log": [entry("place-fridge")]}),
        (curlew.design(), {"log": [entry("place-fridge"), entry("bench-fridge")]}),
    ),
    "build-return-window": (
        (design(), {"purchases": [{**BANK_HERE, "return_days": 0}]}),
        (design(), {"purchases": [{**BANK_HERE, "return_days": 300}]}),
    ),
    "build-hot-work": (
        (design(), {"log": [entry("insulate-walls")]}),
        (design(), {"log": [entry("insulate-walls"), entry("rust-treat")]}),
    ),
    "build-solvent-ignition": (
        (curlew.design(), {"log": [entry("varnish-furniture"), entry("rust-treat")]}),
        (curlew.design(), {"log": [entry("varnish-furniture", on="2027-03-05"), entry("rust-treat")]}),
    ),
    "build-ac-licence": licensed("ff-ac-cables", "ac_electrician"),
    "build-gas-licence": licensed("gas-test", "gas_fitter"),
    "build-structure-licence": licensed("belted-seat-anchors", "vehicle_engineer"),
    "build-trade-visit-idle": (
        (visited("2027-03-08"), None),
        (visited("2020-03-08"), None),
    ),
    "build-blocked-way": ((curlew.design(), {"log": [entry("build-washroom")]}), (curlew.design(), None)),
    "build-punch-open": (
        (design(), {"punch": [{"id": "p", "name": "Rattle behind the fridge", "must": True}, {"id": "q", "name": "Scratch"}]}),
        (design(), {"punch": [{"id": "p", "name": "Rattle", "must": True, "done_on": "2027-03-06"}, {"id": "q", "name": "Scratch"}]}),
    ),
    "build-reel-join": (
        (apply_patch(curlew.design(), [{"op": "replace", "path": "/water/runs/1/length_m", "value": 80}]), None),
        (curlew.design(), None),
    ),
    "build-cure-stalled": ((design(hall=True, hall_temp_c=6.0), {"log": RUST_TREATED}), (design(hall=True, hall_temp_c=20.0), {"log": RUST_TREATED})),
}
ON_A_WALL = {"build-gate-not-tested", "build-gate-hidden-joint", "build-gate-not-labelled"}
"""Told by the same loop as the others of a gate; their severities are tried kind by kind with the sums."""


def test_every_rule_of_build_is_tried_here() -> None:
    assert {r for r in RULES if r.startswith("build-")} == {*CASES, *ON_A_WALL}


@pytest.mark.parametrize("rule", list(CASES))
def test_the_rule_speaks_and_beside_it_is_silent(rule: str) -> None:
    (bad, facts), (good, other) = CASES[rule]
    there = rules_of(bad, facts)
    assert rule in there, sorted(there)
    assert there[rule].message.endswith(".") and there[rule].remedy
    assert rule not in rules_of(good, other)


def test_a_panel_on_a_bond_that_has_not_cured_is_a_danger() -> None:
    log = [entry(k, on="2027-03-01") for k in ("deep-clean", "paint-edges", "fit-roof-glands")]
    soon = rules_of(
        warm_roof(), {"log": [*log, entry("fit-solar", on="2027-03-05"), entry("ff-solar-cables", on="2027-03-06"), entry("roof-water-test", on="2027-03-06")]}
    )
    assert soon["build-cure-short"].severity == "danger" and "had cured by" in soon["build-cure-short"].message


def test_what_came_goes_back_within_its_days_and_is_under_warranty_for_its_months() -> None:
    def here(**more: Any) -> Any:
        b = part(curlew.design(), {"purchases": [{**BANK_HERE, **more}]})
        x = next(x for x in b.shopping if x.key == "power-bank")
        return x.return_by, x.warranty_until

    assert here() == ("2027-03-20", None), "fourteen days are usual here"
    assert here(return_days=30, warranty_months=24) == ("2027-04-05", "2029-03-06")
    assert here(status="ordered", warranty_months=12)[0] is None
    assert here(received_on="soon", warranty_months=12) == (None, None)
    assert here(received_on="2027-08-31", warranty_months=6)[1] == "2028-02-28"


def test_nobody_who_is_not_known_is_said_to_have_no_licence() -> None:
    """A fitter who signs the log by name is no person of the plan."""
    found = rules_of(curlew.design(), {"log": [{**entry("gas-test"), "who": "B. Fitter"}, entry("ff-ac-cables")]})
    assert not {"build-gas-licence", "build-ac-licence"} & set(found)


def test_metal_is_cut_and_ground_before_anything_goes_in_that_burns() -> None:
    for demo in (curlew, saltbush, fiddlehead):
        d = demo.design()
        rows = asked(d, report(d), Facts(), DAY, explain=False).plan.rows
        for burns in ("insulate-walls", "insulate-spray", "place-batteries"):
            for hot in ("cut-windows", "cut-roof", "cut-side", "rust-treat"):
                assert burns not in rows or hot not in rows or rows[hot].end <= rows[burns].start, (demo.__name__, hot, burns)


def test_sparks_and_fumes_are_four_hours_apart_in_every_plan() -> None:
    for demo in (curlew, saltbush, fiddlehead):
        d = demo.design()
        rows = asked(d, report(d), Facts(), DAY, explain=False).plan.rows
        for s in (rows[k] for k in SOLVENT if k in rows):
            for i, j in s.pieces:
                for h in (rows[k] for k in IGNITES if k in rows):
                    assert all(b <= i or a >= j + 8 for a, b in h.pieces), (demo.__name__, s.task.id, h.task.id)


def test_a_fridge_that_the_furniture_would_bar_comes_in_before_it() -> None:
    d = curlew.design()
    rows = asked(d, report(d), Facts(), DAY, explain=False).plan.rows
    assert rows["place-fridge"].end <= min(rows["build-washroom"].start, rows["build-wardrobe"].start)
    own = apply_patch(
        d, [{"op": "replace", "path": "/build/own", "value": [{"id": "x", "name": "X", "hours": 1, "after": ["build-washroom"], "before": ["place-fridge"]}]}]
    )
    there = asked(own, report(own), Facts(), DAY, explain=False).plan.rows
    assert there["build-washroom"].end <= there["own-x"].start <= there["place-fridge"].start, "what the builder says goes before"
    assert "build-blocked-way" in rules_of(own)


def test_what_is_behind_a_closed_wall_is_told_with_what_it_lacks() -> None:
    d = curlew.design()
    found = rules_of(d, {"log": [entry("line-wall-left"), entry("ff-dc-cables")]})
    assert {"build-gate-not-tested", "build-gate-not-labelled"} <= set(found)


def test_the_fan_widens_with_the_pace_and_keeps_its_order() -> None:
    d = design()
    r = report(d)
    f = fan(d, r, Facts(), DAY, 40)
    assert f.p10 <= f.p50 <= f.p80 <= f.p95 and f.runs == 40
    assert fan(d, r, Facts(), DAY, 40) == f, "the same every time"
    log = [entry(k, 8) for k in ("strip-out", "rust-treat", "deep-clean", "floor-battens", "floor-insulation")]
    sure = fan(d, r, Facts.model_validate({"log": log}), DAY, 40)
    span = lambda x: (dt.date.fromisoformat(x.p95) - dt.date.fromisoformat(x.p10)).days  # noqa: E731
    assert span(sure) < span(f)


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_the_demos_tell_their_story(demo: Any) -> None:
    d = demo.design()
    b = build_part(d, report(d), demo.facts(), dt.date(2026, 11, 28))
    done = [t for t in b.tasks if t.state == "done"]
    if demo is curlew:
        assert 30 < len(done) < len(b.tasks) and b.pace.factor > 1.1
        assert {"build-parts-short", "build-parts-damaged"} <= {f.rule for f in b.findings}
    elif demo is fiddlehead:
        assert len(done) == len(b.tasks) and b.end is None
        assert not [f for f in b.findings if f.severity in ("danger", "fault")]
    else:
        assert not done and b.end < d.build.deadline and not [f for f in b.findings if f.severity in ("danger", "fault")]


def test_the_tags_follow_the_design() -> None:
    tags = tags_of(curlew.design())
    assert {"ac", "battery", "solar", "roof_fan", "gas", "gas_locker", "heater_fuel", "water", "fridge", "dcdc", "registration"} <= tags
    assert "roof_ac" not in tags and "boat" not in tags
    assert "rooflight" not in tags, "skylights that are there already are not cut again"
    assert {"roof_ac", "spray_foam"} & tags_of(saltbush.design())


def test_without_a_name_one_builder_works_at_weekends() -> None:
    a = asked(design(), report(design()), Facts(), DAY)
    days = {row.start.weekday() for row in a.plan.rows.values() if row.pieces and not row.ask}
    assert days <= {5, 6}


def test_what_could_wait_is_comfort_alone() -> None:
    d = design(deadline="2027-04-01")
    told = next(f.message for f in build_part(d, report(d), Facts(), DAY).findings if f.rule == "build-deadline")
    assert "days after the deadline of 1 April 2027." in told
    assert "These could wait until after moving in: " in told and "Tests, closings, alarms and licensed work stay." in told
    tasks = {t.id: t for t in whole_library().values()}
    for k in AFTER_MOVING_IN:
        t = tasks[k]
        assert t.licence == "none" and t.record not in ("measurement", "certificate"), k
        assert t.phase in ("furniture", "finish", "close", "roof") and t.service in ("interior", "body"), k
        assert all(zone == "doors" for zone, _ in t.closes), k
    named = {tasks[k].name for k in AFTER_MOVING_IN}
    listed = told.partition("moving in: ")[2].partition("; ")[0]
    assert listed and all(part.rpartition(" (")[0] in named for part in listed.split(", ")), listed
