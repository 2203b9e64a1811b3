"""Water in the report and on the trip: stores, joined tanks, the tree of pipes, the demos; what is refused."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.catalogue.climates import climates
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import Design, load_design
from bothy.core.facts.old import facts_of_v1
from bothy.core.fluid import loss_pa
from bothy.core.report import report
from bothy.core.trips import places as k
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.plan import plan_of_design
from bothy.core.water.heat_and_frost import HOLD_C, frost_use, tank_ua
from bothy.core.water.network import Run, Tree
from bothy.core.water.pipe import PumpPoint
from bothy.core.water.pressure import solve_taps
from bothy.core.water.properties import density, viscosity
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.demo.load import demo_of
from tests.core.water.test_water_rules import GREY, HOT, MAIN, PUMP, SHOWER, SINK, TANK, joined, piped, tank, wet
from tests.designs import made, reported

CURVE = [PumpPoint(flow_l_min=0, pressure_kpa=280), PumpPoint(flow_l_min=6, pressure_kpa=190), PumpPoint(flow_l_min=11, pressure_kpa=0)]


@settings(max_examples=40, deadline=None)
@given(
    st.lists(
        st.tuples(st.integers(0, 6), st.sampled_from([7.0, 9.0, 11.6, 17.6]), st.floats(0.2, 4), st.floats(-0.3, 0.8), st.booleans()), min_size=1, max_size=9
    ),
    st.floats(0, 4),
)
def test_a_tree_of_pipes_keeps_its_water_and_its_pressures(shape: Any, filters: float) -> None:
    """At every point what enters leaves; along every run the pressure falls by its loss and its rise; each open outlet takes what its pressure gives."""
    runs = [Run("r0", None, 13.2, 1.0, 2.0, 0.1, None)]
    for i, (up, bore, length, rise, has) in enumerate(shape, 1):
        runs.append(Run(f"r{i}", f"r{min(up, i - 1)}", bore, length, 1.0, rise, 5.0 if has or i == len(shape) else None, 40.0))
    tree = Tree(runs)
    outs = [r.id for r in runs if r.rated_l_min is not None]
    s = tree.solve(CURVE, outs, filters)
    rho, mu = density(15), viscosity(15)
    assert math.isclose(
        s.total_l_min,
        sum(s.flow_l_min[o] for o in outs if not any(r.parent == o for r in runs))
        + sum(s.flow_l_min[o] - sum(s.flow_l_min[c.id] for c in runs if c.parent == o) for o in outs if any(r.parent == o for r in runs)),
        rel_tol=1e-9,
    )
    start = s.pump_kpa - filters * s.total_l_min
    for r in runs:
        drop = (loss_pa(s.flow_l_min[r.id] / 60000, r.bore_mm, r.length_m, r.k, rho, mu) + rho * 9.80665 * r.rise_m) / 1000
        assert math.isclose(s.end_kpa[r.id], (s.end_kpa[r.parent] if r.parent else start) - drop, abs_tol=1e-6)
        own = s.flow_l_min[r.id] - sum(s.flow_l_min[c.id] for c in runs if c.parent == r.id)
        assert own >= -1e-9
        if r.rated_l_min is not None and own > 1e-4:
            assert math.isclose(r.rated_kpa * (own / r.rated_l_min) ** 2, s.end_kpa[r.id], abs_tol=1e-4)
        elif r.rated_l_min is not None:
            assert s.end_kpa[r.id] <= 1e-4, "an outlet without flow has no pressure to give any"
        else:
            assert abs(own) < 1e-9


@settings(max_examples=30, deadline=None)
@given(st.lists(st.tuples(st.sampled_from([7.0, 9.0, 11.6]), st.floats(0.3, 5), st.floats(0, 2.4)), min_size=1, max_size=5))
def test_the_tree_agrees_with_the_calculator(taps: Any) -> None:
    outlets = [
        {"name": f"o{i}", "inner_diameter_mm": b, "length_m": n, "rise_m": r, "rated_flow_l_min": 6, "rated_kpa": 60} for i, (b, n, r) in enumerate(taps)
    ]
    base = {"pump_points": [p.model_dump() for p in CURVE], "supply": {"inner_diameter_mm": 11.6, "length_m": 3, "rise_m": 0.4}, "outlets": outlets}
    want = {o["name"]: o["flow_l_min"] for o in calculate("tap-flow", base).dump()["outlets"]}
    tree = Tree([Run("s", None, 11.6, 3, 0, 0.4), *(Run(f"o{i}", "s", b, n, 0, r, 6.0, 60.0) for i, (b, n, r) in enumerate(taps))])
    got = tree.solve(CURVE, list(want))
    for name, flow in want.items():
        assert math.isclose(got.flow_l_min[name], flow, abs_tol=2e-5)


def test_with_all_taps_shut_nothing_flows_and_the_pump_stands_at_its_pressure() -> None:
    s = solve_taps(made(piped(SINK, SHOWER)).water, [])
    assert s is not None
    assert s.total_l_min == 0
    assert s.pump_kpa == 280
    assert solve_taps(made(wet()).water, []) is None


def test_days_are_those_of_the_store_that_ends_first() -> None:
    p = reported(wet(tanks=[TANK, {**GREY, "prisms": [{"shape": "box", "length_m": 0.5, "width_m": 0.4, "height_m": 0.2}]}])).water
    days = {s.name: s.days for s in p.stores}
    assert p.limiting == "grey"
    assert p.days == days["grey"] == pytest.approx(0.9 * 40 / p.grey_l_day)
    assert days["fresh"] == pytest.approx((108 - 3.6) / p.fresh_l_day)


def test_a_tank_with_a_drain_says_how_long_it_takes_to_run_out() -> None:
    def minutes(**more: Any) -> Any:
        return reported(wet(tanks=[{**TANK, **more}, GREY])).water.tanks["fresh"].drain_min

    assert minutes() is None
    narrow, wide = minutes(drain_mm=20.0), minutes(drain_mm=40.0)
    by_hand = calculate("drain-time", {"area_m2": 0.9 * 0.4, "level_m": 0.3, "inner_diameter_mm": 20.0}).dump()["time_min"]
    assert narrow == pytest.approx(by_hand, rel=1e-9)
    assert wide < narrow / 3


def test_jugs_count_and_a_drinking_store_stands_apart() -> None:
    p = reported(wet(tanks=[GREY], jug_l=10.0, jug_count=4, drinking_jug_l=20.0, use={"drinking_source": "separate"})).water
    assert p.capacity_l["fresh"] == 40
    assert p.capacity_l["drinking"] == 20
    assert p.flow_l_day["drinking"] == p.use_l_day["drinking"]


def test_each_run_says_its_litres_and_a_hold_test_begins_above_the_pumps_cut_out() -> None:
    w = wet(tanks=[TANK], pump={**PUMP, "cut_in_kpa": 140.0, "cut_out_kpa": 280.0}, runs=[MAIN, SINK])
    p = reported(w).water
    assert p.run_l["main"] == pytest.approx(math.pi * (made(w).water.runs[0].inner_diameter_mm / 2000) ** 2 * made(w).water.runs[0].length_m * 1000)
    assert sum(p.run_l.values()) == pytest.approx(p.pipe_l)
    assert p.hold_start_kpa == 420
    assert reported(wet(tanks=[TANK])).water.hold_start_kpa == 330


def test_joined_tanks_give_what_stands_over_the_pipe() -> None:
    low, high = (reported(joined(z=z)).water for z in (0.05, 0.2))
    assert low.joins["j"].total_l == pytest.approx(216)
    assert low.joins["j"].usable_l == pytest.approx(216 - 2 * 3.6)
    assert high.joins["j"].unusable_l == pytest.approx(3.6 + 1000 * 0.36 * 0.15)
    assert high.capacity_l["fresh"] == low.capacity_l["fresh"]
    assert next(s for s in high.stores if s.name == "fresh").usable_l == pytest.approx(high.joins["j"].usable_l)


def test_a_tank_that_can_not_be_is_found_and_the_rest_still_reckoned() -> None:
    cut = {"shape": "box", "length_m": 1.2, "width_m": 0.6, "height_m": 0.1, "base_z_m": 0.1, "op": "cut"}
    p = reported(tank(prisms=[TANK["prisms"][0], cut])).water
    assert p.tanks["fresh"].problem is not None
    assert "cut is larger" in p.tanks["fresh"].problem
    assert p.tanks["grey"].full_l == pytest.approx(135)


def test_the_pumps_line_in_life_is_taken_over_by_one_press() -> None:
    from bothy.core.design.edit import apply_patch

    read = curlew.design()
    said = next(f for f in demo_of(curlew)[0].report.findings if f.rule == "water-pump-load")
    assert said.fix is None, "a reading contradicts the curve"
    assert "were read on its circuit" in said.remedy
    design = read
    f = next(f for f in report(design).findings if f.rule == "water-pump-load")
    assert f.fix is not None
    after = report(apply_patch(design, f.fix.patch))
    assert not [f for f in after.findings if f.rule == "water-pump-load"]
    assert after.life.appliances["pump"].energy_wh == pytest.approx(after.water.pump.energy_wh_day if after.water.pump else 0, rel=0.05)


def test_more_foam_round_a_tank_loses_less_and_a_larger_tank_more() -> None:
    assert tank_ua(100, 0) > tank_ua(100, 20) > tank_ua(100, 40)
    assert tank_ua(100, 0) > tank_ua(50, 0)
    assert tank_ua(100, 0) == pytest.approx(12 * 1.4, rel=0.15), "100 L have about 1.4 m² of wall"


def test_frost_is_quick_in_a_pipe_and_slow_in_a_tank() -> None:
    cold = {"place": "inverness", "from_month": 1, "to_month": 2}
    p = reported(
        wet(cold, tanks=[{**TANK, "place": "underfloor"}, GREY], pump=PUMP, runs=[MAIN, {**SINK, "place": "underfloor", "inner_diameter_mm": 9.0}])
    ).water
    parts = {f.subject: f for f in p.frost}
    assert set(parts) == {"tank:fresh", "pipe:sink"}
    assert (parts["pipe:sink"].to_zero_h or 0) < 0.5 < 2 < (parts["tank:fresh"].to_zero_h or 0)


@pytest.mark.parametrize(
    ("change", "key", "words"),
    [
        ({"tanks": [{**TANK, "prisms": [{"shape": "box", "length_m": 0.5, "width_m": 0.4}]}]}, "height_m", "required"),
        ({"tanks": [TANK, TANK]}, "id", "twice"),
        ({"joins": [{"id": "j", "tanks": ["fresh", "attic"], "z_m": 0.0}]}, "tanks", "does not exist"),
        ({"joins": [{"id": "j", "tanks": ["fresh", "grey"], "z_m": 0.0}, {"id": "k", "tanks": ["fresh", "grey"], "z_m": 0.0}]}, "tanks", "joined twice"),
        ({"runs": [{**SINK, "parent": "nowhere"}]}, "parent", "does not exist"),
        ({"runs": [{**MAIN, "parent": "sink"}, SINK]}, "parent", "leads back to itself"),
        ({"runs": [{**MAIN, "fittings": {"knot": 1}}]}, "fittings", "not a known fitting"),
        ({"pump": {**PUMP, "cut_out_kpa": 100.0}}, "cut_out_kpa", "more than the cut-in pressure"),
        ({"pump": {**PUMP, "points": PUMP["points"][:2]}}, "pump_points", "pressure 0"),
        ({"pump": {**PUMP, "appliance": "ghost"}}, "appliance", "does not exist"),
        ({"care": {"strength_frac": 0.0}}, "strength_frac", "at least"),
        ({"tests": [{"id": "t", "medium": "air", "start_kpa": 40.0, "end_kpa": 39.0}]}, "gas_volume_l", "whole volume"),
        ({"tanks": [{**TANK, "sender": {"kind": "stepped", "step_z_m": [0.2, 0.1]}}]}, "step_z_m", "rising"),
        ({"tanks": [{**TANK, "sender": {"empty_signal": 5.0, "full_signal": 5.0}}]}, "full_signal", "differ"),
        ({"filters": [{"id": "f", "rated_months": None}]}, "rated_l", "rated_months"),
    ],
)
def test_what_can_not_be_is_refused_by_name(change: dict[str, Any], key: str, words: str) -> None:
    data = wet(**change)
    with pytest.raises(BadInput) as e:
        facts_of_v1(data) if "tests" in change else load_design(data)
    assert e.value.key == key
    assert words in e.value.message


def test_water_on_the_trip_is_neither_made_nor_lost() -> None:
    """What was in the tank and what was filled up is used, missing, or still there; and grey is its part of what was used."""
    ctx = Context(curlew.design())
    plan = plan_of_design(ctx)
    from bothy.core.trips.engine import simulate
    from bothy.core.trips.results import WHOLE_LEDGER

    r = simulate(plan)
    ledger = dict(zip(WHOLE_LEDGER, r.ledger[0], strict=True))
    asked = sum(d.persons for d in plan.days) * plan.numbers[k.FRESH_DAY]
    assert ledger["fresh_used_l"] + ledger["water_unserved_l"] == pytest.approx(asked, rel=1e-9)
    assert np.allclose(r.ledger[:, WHOLE_LEDGER.index("fresh_used_l")], ledger["fresh_used_l"]), "it doesn't hang on the weather"
    run = run_trip(ctx)
    assert run.water is not None
    fresh = np.array(run.water.stores["fresh"].level_l)
    filled = np.maximum(0, np.diff(fresh)).sum()
    drawn = fresh[0] - fresh[-1] + filled
    first = run.water.stores["fresh"].capacity_l - fresh[0]
    share = plan.numbers[k.FRESH_DAY] * 2 / 15 * 24 / run.per_day
    assert drawn + first == pytest.approx(run.water.used_l, abs=6 * share), "the drops at a refill's own step aside"
    assert fresh.max() <= run.water.stores["fresh"].capacity_l + 0.01
    assert min(run.water.stores["grey"].level_l) >= 0


def test_a_larger_grey_tank_or_a_stop_to_empty_it_ends_the_shortage() -> None:
    data = curlew.design().model_dump(mode="json")
    before = run_trip(Context(load_design(data)))
    assert before.water is not None
    assert before.water.first == "grey"
    assert "sim-grey-full" in {f.rule for f in before.findings}
    next(t for t in data["water"]["tanks"] if t["id"] == "grey")["prisms"][0]["height_m"] = 0.4
    after = run_trip(Context(load_design(data)))
    assert after.water is not None
    assert after.water.stores["grey"].first_d is None
    assert "sim-grey-full" not in {f.rule for f in after.findings}


def test_each_store_that_ends_on_the_way_is_found() -> None:
    data = curlew.design().model_dump(mode="json")
    data["water"]["toilet"]["spare"] = 0
    rules = {f.rule: f.message for f in run_trip(Context(load_design(data))).findings}
    assert "The fresh tank (102 L) is empty on" in rules["sim-water-short"]
    assert "L are missing over the trip." in rules["sim-water-short"]
    assert "The urine container (7 L) is full on" in rules["sim-toilet-full"]


def test_a_trip_without_anything_said_of_water_has_none() -> None:
    data = curlew.design().model_dump(mode="json")
    data["water"] = {}
    assert run_trip(Context(load_design(data))).water is None


def test_the_demos_water_is_sound_but_for_its_honest_mistakes() -> None:
    c, s, f = (demo_of(d)[0].report for d in (curlew, saltbush, fiddlehead))
    faults = {x.rule for r in (c, s, f) for x in r.findings if x.stage == "water" and x.severity in ("danger", "fault")}
    assert faults == {"water-freeze-exposed", "water-heater-uncounted"}
    assert c.water.taps["shower"].shared_l_min < 0.6 * 6
    assert s.water.joins["four"].total_l == pytest.approx(300)
    assert s.water.joins["four"].unusable_l < 15
    assert (s.water.days or 0) > 9
    assert f.water.hot is not None
    assert (f.water.hot.reachable_c or 0) > 38


def test_hot_water_of_each_kind() -> None:
    coil, element = (reported(wet(hot={**HOT, "source": x, "element_w": 800.0})).water.hot for x in ("coil", "element"))
    assert coil is not None
    assert element is not None
    assert (coil.time_min or 0) < 15 < 45 < (element.time_min or 0)
    assert coil.charge_ah is None
    assert (element.charge_ah or 0) > 40
    assert coil.max_c == 85
    cold = reported(wet(hot={**HOT, "target_temp_c": 30.0})).water.hot
    assert cold is not None
    assert cold.mixed_l is None


@pytest.mark.parametrize("place", sorted(climates()))
def test_a_tank_heater_is_on_for_the_cold_part_of_the_day(place: str) -> None:
    ctx = Context(Design.model_validate({"schema_version": 3, "life": {"place": place}}))
    use = frost_use(ctx)
    assert 0.1 <= use["hours_per_day"] <= 24
    if use["hours_per_day"] > 0.1:
        assert max(use["season_factors"].values()) == 1.0, "the hours are those of the season that needs most"
    cold = [m for m in range(12) if ctx.climate.tmin_c[m] < HOLD_C]
    assert (use["hours_per_day"] > 0.1) <= bool(cold), "a place that never comes under the thermostat needs none"
    by_season = {s: use["hours_per_day"] * f for s, f in use["season_factors"].items()}
    assert by_season["summer"] <= by_season["shoulder"] + 0.1 <= by_season["winter"] + 0.2


def test_a_tank_heater_of_the_north_runs_longer_than_one_of_the_coast() -> None:
    hours = {
        p: frost_use(Context(Design.model_validate({"schema_version": 3, "life": {"place": p}})))["hours_per_day"] for p in ("tromso", "inverness", "lisbon")
    }
    assert hours["tromso"] > hours["inverness"] > hours["lisbon"] == 0.1
