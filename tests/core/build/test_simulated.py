"""The compiled scheduler beside the planner, the finish by simulation, and the schools of building."""

from __future__ import annotations

import datetime as dt
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from tests.core.build.test_build_plan import DAY, design, entry

from bothy.core.build.asked import Asked, asked
from bothy.core.build.calendar import BEAD_MM, LONGEST_CURE_H, MEASURED_H, Sky, cure_hours, cure_hours_measured
from bothy.core.build.compiled import Compiled
from bothy.core.build.plan import Estimate, durations_of
from bothy.core.build.schools import BUILT, FIRST_PROVED
from bothy.core.build.simulated import drawn_hours, fan, finishes, other_ways
from bothy.core.build.task_list import Task, generate, usual_schools
from bothy.core.build.templates import SCHOOLS, TAGS, whole_library
from bothy.core.build.worked import build_part
from bothy.core.catalogue.climates import climates
from bothy.core.design.edit import apply_patch
from bothy.core.facts.document import Facts
from bothy.core.report import report
from bothy.core.roof.curing import CURINGS, Air, cure, needed_h
from bothy.demo import curlew, saltbush

FAR = TAGS - {"boat", "spray_foam"}
SIX_DAYS = [{"day": f"2027-03-{d:02d}", "low_c": 2.0 + d % 5, "high_c": 11.0 + d % 7, "rain_frac": 0.8 if d % 3 == 0 else 0.1} for d in range(6, 20)]
BUILDS: dict[str, dict[str, Any]] = {
    "alone at weekends": {},
    "two, one of them a fitter, by a forecast": {
        "people": [
            {"id": "a", "name": "A", "hours": "full_time"},
            {"id": "b", "name": "B", "hours": "evenings", "licences": ["gas_fitter"], "from_day": "2027-04-01"},
        ],
        "coming": SIX_DAYS,
        "away": [{"id": "x", "first": "2027-04-05", "last": "2027-04-09", "who": "a"}],
    },
    "visits, pins and a hall": {
        "people": [{"id": "a", "name": "A", "hours": "evenings"}],
        "visits": [{"id": "v", "licence": "ac_electrician", "day": "2027-05-06"}, {"id": "w", "licence": "gas_fitter", "day": "2027-08-10"}],
        "pins": [{"task": "cut-roof", "day": "2027-04-20"}, {"task": "floor-ply", "day": "2027-05-01"}],
        "hall": True,
        "hall_temp_c": 14.0,
    },
}


def built(name: str) -> Asked:
    """A fair share of the library under people, visits and weather of a kind."""
    d = apply_patch(curlew.design(), [{"op": "replace", "path": "/build", "value": {"start_day": DAY.isoformat(), **BUILDS[name]}}])
    return asked(d, report(d), Facts(), DAY, explain=False, made=False)


@pytest.mark.parametrize("name", list(BUILDS))
@pytest.mark.parametrize("prefer", [True, False])
def test_every_task_ends_when_the_planner_ends_it(name: str, prefer: bool) -> None:
    a = built(name)
    usual = durations_of(a.tasks, 1.0, a.states)
    c, urgent = Compiled(a.planner, usual), a.planner.latest(usual)
    rng = np.random.default_rng(3)
    for _ in range(4):
        hours = {k: float(max(0.5, np.round(2 * v * rng.uniform(0.4, 2.5)) / 2)) for k, v in usual.items()}
        plan = a.planner.run(hours, False, urgent, prefer)
        last, begins, ends = c.ends(c.row(hours), c.row(urgent), prefer)
        assert plan.end is not None and c.when(last) == plan.end
        told = {k: (c.when(b), c.when(e)) for k, b, e in zip(c.keys, begins, ends, strict=True) if not np.isnan(e)}
        assert told == {k: (row.start, row.end) for k, row in plan.rows.items()}


def test_what_is_half_done_or_waits_for_a_delivery_is_compiled_too() -> None:
    d, facts, day = curlew.design(), curlew.facts(), dt.date(2026, 11, 28)
    a = asked(d, report(d), facts, day, explain=False)
    c = Compiled(a.planner, a.durations)
    last, _, _ = c.ends(c.row(a.durations), c.row(a.planner.latest(a.durations)), a.planner.prefers)
    assert c.when(last) == a.plan.end and set(c.keys) == set(a.durations)


def test_each_run_of_the_fan_is_a_plan_of_the_planner() -> None:
    a = built("two, one of them a fitter, by a forecast")
    base = durations_of(a.tasks, 1.0, a.states)
    c, ends, governed = finishes(a, 6)
    rows = drawn_hours(a, c.keys, 6)
    urgent = a.planner.latest(base)
    told = sorted(p.end for r in rows if (p := a.planner.run(dict(zip(c.keys, r.tolist(), strict=True)), False, urgent)).end)
    assert [c.when(e) for e in ends] == told
    assert governed.max() == 6, "in every run the end hangs on the last task"


def test_draws_have_the_mean_and_spread_of_their_estimates() -> None:
    """Pace one and known: each task's mean is (a + m + b)/3, or (a + 4m + b)/6 by the other school, rounded up to the half hour by a quarter on average."""
    a = built("alone at weekends")
    for beta in (False, True):
        sure = a._replace(pace=a.pace._replace(factor=1.0, sd_ln=0.0), estimate=Estimate(beta, False))
        keys = [t.id for t in a.tasks]
        rows = drawn_hours(sure, keys, 4000)
        for i, t in enumerate(a.tasks):
            low, mode, high = t.hours
            mean = (low + (4 if beta else 1) * mode + high) / (6 if beta else 3)
            assert rows[:, i].mean() == pytest.approx(mean + 0.25, abs=0.25 + 0.05 * (high - low))
            assert rows[:, i].min() >= low - 1e-9 and rows[:, i].max() <= high + 0.5


def test_ten_thousand_runs_and_the_reserve_between_even_and_four_in_five() -> None:
    d = design()
    f = fan(d, report(d), Facts(), DAY)
    assert f.runs == 10_000
    days = (dt.date.fromisoformat(f.p80) - dt.date.fromisoformat(f.p50)).days
    assert abs(f.reserve_days - days) < 1
    late = apply_patch(d, [{"op": "replace", "path": "/build/deadline", "value": f.p80}])
    assert fan(late, report(late), Facts(), DAY).chance == pytest.approx(0.8, abs=0.06)


@settings(max_examples=60, deadline=None)
@given(
    material=st.sampled_from(sorted(CURINGS)),
    place=st.sampled_from(["london", "denver", "oslo", "alice-springs"]),
    month=st.integers(1, 12),
    hour=st.integers(0, 23),
    inside=st.booleans(),
)
def test_days_that_are_all_alike_cure_as_hour_by_hour(material: str, place: str, month: int, hour: int, inside: bool) -> None:
    sky = Sky(climates().get(place) or climates()["london"], False, None)
    c = CURINGS[material]
    slow = cure(c, needed_h(c, BEAD_MM), sky.air(month, hour, LONGEST_CURE_H, inside)).ready_h
    fast = cure_hours(sky, material, month, hour, inside)
    assert (slow is None) == (fast is None)
    if slow is not None and fast is not None:
        assert fast == pytest.approx(slow, abs=1e-6)


@settings(max_examples=40, deadline=None)
@given(
    material=st.sampled_from(sorted(CURINGS)),
    month=st.integers(1, 12),
    hour=st.integers(0, 23),
    inside=st.booleans(),
    temp=st.floats(-5, 40),
    humidity=st.none() | st.floats(0.1, 0.95),
)
def test_air_that_was_measured_counts_for_the_first_half_day(material: str, month: int, hour: int, inside: bool, temp: float, humidity: float | None) -> None:
    sky, c = Sky(climates()["london"], False, None), CURINGS[material]
    usual = sky.air(month, hour, LONGEST_CURE_H, inside)
    first = [Air(1.0, temp, usual[0].humidity if humidity is None else humidity)] * MEASURED_H
    slow = cure(c, needed_h(c, BEAD_MM), [*first, *usual[MEASURED_H:]]).ready_h
    fast = cure_hours_measured(sky, material, dt.datetime(2027, month, 5, hour), inside, (temp, humidity))
    assert (slow is None) == (fast is None)
    if slow is not None and fast is not None:
        assert fast == pytest.approx(slow, abs=1e-6)


def tasks_under(**schools: str) -> dict[str, Task]:
    return {t.id: t for t in generate(FAR, {}, usual_schools() | schools, whole_library())}


def before(tasks: dict[str, Task], k: str) -> set[str]:
    """All that a task waits for, however far back."""
    out: set[str] = set()
    todo = [k]
    while todo:
        for p in tasks[todo.pop()].hard:
            if p in tasks and p not in out:
                out.add(p)
                todo.append(p)
    return out


def test_insulated_first_the_cables_lie_before_the_boards_and_the_barrier() -> None:
    usual, first = tasks_under(), tasks_under(insulation="before_first_fix")
    assert "ff-dc-cables" in before(usual, "insulate-walls") and "insulate-walls" not in before(usual, "ff-dc-cables")
    for k in ("ff-dc-cables", "ff-ac-cables", "ff-ducts"):
        assert {"insulate-walls", "vapour-barrier"} <= before(first, k) and k not in before(first, "vapour-barrier")
    for k in ("line-wall-left", "line-ceiling"):
        assert {"ff-dc-cables", "ff-test", "vapour-barrier"} <= before(first, k), "the lining still closes over everything"
    assert first["floor-services"].inside == usual["floor-services"].inside


def test_walls_first_decks_the_floor_last_by_preference_alone() -> None:
    usual, walls = list(tasks_under()), list(tasks_under(shell="walls_first"))
    assert usual.index("floor-ply") < usual.index("line-wall-left") and walls.index("floor-ply") > walls.index("line-wall-left")
    assert {k: t.hard for k, t in tasks_under().items()} == {k: t.hard for k, t in tasks_under(shell="walls_first").items()}


def test_at_the_end_nothing_is_proved_before_all_is_built() -> None:
    late, usual = tasks_under(commissioning="at_end"), tasks_under()
    for k in FIRST_PROVED:
        assert {t.id for t in late.values() if t.template.phase in BUILT} <= before(late, k)
    assert "wet-test" not in before(usual, "com-visual-torque")


def test_a_reserve_in_every_task_is_its_four_in_five() -> None:
    d = design(buffers="tasks")
    padded, plain = build_part(d, report(d), Facts(), DAY), build_part(design(), report(design()), Facts(), DAY)
    assert padded.padded and padded.work_h > 1.1 * plain.work_h and padded.end > plain.end
    t = next(t for t in asked(d, report(d), Facts(), DAY).tasks if t.hours[0] < t.hours[2])
    low, mode, high = t.hours
    assert Estimate(False, True).hours(t) == pytest.approx(high - (0.2 * (high - low) * (high - mode)) ** 0.5)


def test_what_the_other_ways_cost_is_what_taking_them_costs() -> None:
    d, log = design(), {"log": [entry("strip-out", 6)]}
    r, facts = report(d), Facts.model_validate(log)
    here = build_part(d, r, facts, DAY)
    ways = {x.setting: x for x in other_ways(d, r, facts, DAY)}
    assert set(ways) == set(SCHOOLS)
    for setting in ("cables", "floor_finish", "insulation", "commissioning", "estimate"):
        taken = apply_patch(d, [{"op": "replace", "path": f"/build/{setting}", "value": ways[setting].other}])
        there = build_part(taken, report(taken), facts, DAY)
        assert ways[setting].hours == pytest.approx(there.work_h - here.work_h)
        assert ways[setting].days == pytest.approx((dt.datetime.fromisoformat(there.end) - dt.datetime.fromisoformat(here.end)).total_seconds() / 86400)
    assert ways["buffers"].hours > 0


def test_a_crew_s_way_of_proving_is_compared() -> None:
    d = saltbush.design()
    ways = {x.setting: x for x in other_ways(d, report(d), saltbush.facts(), dt.date(2026, 11, 28))}
    assert ways["commissioning"].days >= 0 and ways["commissioning"].hours == 0
