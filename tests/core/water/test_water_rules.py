"""Every rule of water: a design that raises it and one beside it that does not; remedies that end their finding."""

from __future__ import annotations

import copy
from typing import Any

import pytest

from bothy.core.design.document import load_design
from bothy.core.design.edit import apply_patch
from bothy.core.finding import RULES
from bothy.core.report import report
from tests.core.test_dangers import CASES as DANGERS
from tests.designs import BANK, LAMP, found, lived
from tests.rule_cases import after_its_remedy, raised_only_there, with_a_remedy

HELD = {"restraint_x_n": 20000.0, "restraint_y_n": 20000.0, "restraint_z_n": 20000.0}
TANK: dict[str, Any] = {
    "id": "fresh",
    "name": "Fresh",
    "holds": "fresh",
    "prisms": [{"shape": "box", "length_m": 0.9, "width_m": 0.4, "height_m": 0.3}],
    "outlet_z_m": 0.01,
    "vent_mm": 16.0,
    "fill_mm": 40.0,
    "food_grade": True,
    "leak_tray": True,
    "drain_valve": True,
    **HELD,
}
GREY: dict[str, Any] = {
    **TANK,
    "id": "grey",
    "name": "Grey",
    "holds": "grey",
    "prisms": [{"shape": "box", "length_m": 0.9, "width_m": 0.5, "height_m": 0.3}],
    "full_sensor": True,
}
PUMP: dict[str, Any] = {
    "name": "Pump",
    "points": [{"flow_l_min": 0.0, "pressure_kpa": 280.0}, {"flow_l_min": 6.0, "pressure_kpa": 190.0}, {"flow_l_min": 11.0, "pressure_kpa": 0.0}],
    "cut_in_kpa": 140.0,
    "cut_out_kpa": 220.0,
    "accumulator_l": 5.0,
    "strainer": True,
    "shutoff": True,
    "level_stop": True,
    "leak_tray": True,
}
MAIN: dict[str, Any] = {"id": "main", "name": "Main", "inner_diameter_mm": 13.2, "length_m": 2.0, "drain_valve": True}
SINK: dict[str, Any] = {
    "id": "sink",
    "name": "Sink",
    "parent": "main",
    "inner_diameter_mm": 11.6,
    "length_m": 2.0,
    "rise_m": 0.8,
    "outlet": "sink",
    "wanted_l_min": 4.0,
    "hot": True,
}
SHOWER: dict[str, Any] = {**SINK, "id": "shower", "name": "Shower", "length_m": 3.0, "rise_m": 1.2, "outlet": "shower", "wanted_l_min": 5.0, "rated_kpa": 60.0}
HOT: dict[str, Any] = {
    "kind": "storage",
    "source": "gas",
    "volume_l": 14.0,
    "heat_w": 2000.0,
    "target_temp_c": 65.0,
    "mixer_c": 40.0,
    "relief_kpa": 400.0,
    "relief_outside": True,
    "dry_lock": True,
    "pipe_rating_c": 95.0,
    "leak_tray": True,
}
INSTANT: dict[str, Any] = {**HOT, "kind": "instant", "heat_w": 16000.0, "target_temp_c": 45.0, "min_flow_l_min": 2.5}
DRAIN: dict[str, Any] = {"id": "d", "name": "Sink waste", "fixture": "sink", "inner_diameter_mm": 25.0, "length_m": 1.5, "slope_frac": 0.03, "trap": True}
UNDER: dict[str, Any] = {**TANK, "place": "underfloor"}
CARBON: dict[str, Any] = {
    "id": "c",
    "name": "Carbon",
    "kind": "carbon",
    "at": "drinking",
    "micron": 1.0,
    "rated_l": 3000.0,
    "rated_flow_l_min": 4.0,
    "clean_kpa": 20.0,
}
TEST: dict[str, Any] = {"id": "t", "start_kpa": 330.0, "end_kpa": 325.0, "duration_min": 60.0}
DONE = ["backing", "tray", "lapped", "sealed", "falls", "trap", "curtain", "extract", "flood"]
FROST = {"place": "inverness", "from_month": 12, "to_month": 2}


def wet(life: dict[str, Any] | None = None, region: str = "uk", power: dict[str, Any] | None = None, **water: Any) -> dict[str, Any]:
    """A van with a fresh and a grey tank, changed by what is given."""
    data = lived(power=power, **{"people": 2, "nights_between_hookups": 2.0, **(life or {})})
    data["region"] = region
    data["water"] = copy.deepcopy({"use": {"style": "frugal"}, "tanks": [TANK, GREY], "care": {"days_ago": 10.0}, "shower_done": DONE, **water})
    return data


def tank(**more: Any) -> dict[str, Any]:
    return wet(tanks=[{**TANK, **more}, GREY])


def piped(*runs: dict[str, Any], pump: dict[str, Any] | None = None, **more: Any) -> dict[str, Any]:
    return wet(pump={**PUMP, **(pump or {})}, runs=[MAIN, *(runs or (SINK,))], **more)


def hot(base: dict[str, Any] = HOT, **more: Any) -> dict[str, Any]:
    return wet(hot={**base, **more})


def joined(z: float = 0.05, bore: float = 32.0, vent: bool = True) -> dict[str, Any]:
    two = [{**TANK, "id": f"t{i}", "name": f"Tank {i}", "x_m": 1.0 + i} for i in range(2)]
    return wet(
        tanks=[*two, GREY], joins=[{"id": "j", "tanks": ["t0", "t1"], "z_m": z, "inner_diameter_mm": bore, "common_vent": vent}], pump=PUMP, runs=[MAIN, SINK]
    )


def long(**more: Any) -> dict[str, Any]:
    return tank(prisms=[{"shape": "box", "length_m": 1.6, "width_m": 0.4, "height_m": 0.3}], **more)


LOOP: dict[str, Any] = {
    "heaters": [{"id": "furnace", "name": "Furnace", "kind": "coolant", "fuel": "diesel", "max_w": 5000.0, "min_w": 1500.0}],
    "loop": {"zones": [{"id": "x", "name": "Exchanger", "emitter": "exchanger", "rated_w": 8000.0, "ua_w_k": 800.0, "pipe_length_m": 2.0}]},
}
CASES: dict[str, tuple[dict[str, Any], dict[str, Any]]] = {
    "water-autonomy-short": (wet(use={"style": "generous", "target_days": 6.0}), wet()),
    "water-grey-before-fresh": (wet(tanks=[TANK, {**GREY, "prisms": [{"shape": "box", "length_m": 0.4, "width_m": 0.4, "height_m": 0.2}]}]), wet()),
    "water-drinking-short": (wet(use={"drinking_source": "separate"}, drinking_jug_l=5.0), wet(use={"drinking_source": "separate"}, drinking_jug_l=20.0)),
    "water-drinking-untreated": (wet(care={}), wet(care={}, filters=[CARBON])),
    "water-material-not-food-grade": (tank(food_grade=False), tank()),
    "water-tank-shape": (tank(outlet_z_m=0.5), tank()),
    "water-restraint-weak": (tank(restraint_x_n=2000.0), tank()),
    "water-restraint-missing": (tank(restraint_x_n=None, restraint_y_n=None, restraint_z_n=None), tank()),
    "water-mass-unplanned": (tank(budgeted=False), tank()),
    "water-mass-high": (tank(z_m=0.9), tank()),
    "water-no-baffle": (long(), long(undivided_m=0.8)),
    "water-vent-missing": (tank(vent_mm=None), tank()),
    "water-vent-small": (tank(vent_mm=8.0), tank()),
    "water-vent-low": (tank(vent_high=False), tank()),
    "water-fill-small": (tank(fill_by="gravity", fill_mm=25.0), tank(fill_by="gravity")),
    "water-over-electrics": (tank(over_electrics=True, leak_tray=False), tank(over_electrics=True)),
    "water-no-shutoff": (piped(pump={"shutoff": False}), piped()),
    "water-no-leak-tray": (piped(pump={"leak_tray": False}), piped()),
    "water-joint-hidden": (piped({**SINK, "hidden_joint": True}), piped()),
    "water-crossover-dead": (joined(z=0.2), joined()),
    "water-crossover-slow": (joined(bore=10.0), joined()),
    "water-crossover-vent": (joined(vent=False), joined()),
    "water-pump-no-strainer": (piped(pump={"strainer": False}), piped()),
    "water-pump-dry": (piped(pump={"level_stop": False}), piped(pump={"level_stop": False, "runs_dry": True})),
    "water-pump-cut-in": (piped(pump={"cut_out_kpa": 300.0}), piped()),
    "water-pump-load": (
        {**piped(pump={"appliance": "lamp"})},
        {**piped()},
    ),
    "water-tap-flow-low": (piped({**SINK, "inner_diameter_mm": 4.0, "length_m": 8.0}), piped()),
    "water-tap-flow-shared": (
        piped(SINK, {**SHOWER, "inner_diameter_mm": 7.0, "length_m": 9.0, "wanted_l_min": 6.0}, SINK | {"id": "s2", "name": "Outside"}),
        piped(SINK),
    ),
    "water-instant-no-ignite": (
        wet(
            pump={
                **PUMP,
                "points": [{"flow_l_min": 0.0, "pressure_kpa": 120.0}, {"flow_l_min": 3.0, "pressure_kpa": 0.0}],
                "cut_out_kpa": 100.0,
                "cut_in_kpa": 60.0,
            },
            runs=[MAIN, SINK, {**SINK, "id": "b", "name": "Basin"}],
            hot=INSTANT,
        ),
        wet(pump=PUMP, runs=[MAIN, SINK], hot=INSTANT),
    ),
    "water-velocity-high": (piped({**SINK, "inner_diameter_mm": 7.5}), piped()),
    "water-velocity-excessive": (piped({**SINK, "inner_diameter_mm": 5.5, "length_m": 0.5}), piped()),
    "water-pump-cycling": (piped(pump={"accumulator_l": None}), piped()),
    "water-precharge-wrong": (piped(pump={"precharge_kpa": 180.0}), piped(pump={"precharge_kpa": 126.0})),
    "water-pressure-over-rating": (piped({**SINK, "rating_kpa": 200.0}), piped()),
    "water-hookup-unregulated": (piped(hookup={"check_valve": True}), piped(hookup={"limiter_kpa": 345.0, "check_valve": True})),
    "water-backflow": (piped(hookup={"limiter_kpa": 345.0}), piped(hookup={"limiter_kpa": 345.0, "check_valve": True})),
    "water-relief-weeps": (piped(hot={**HOT, "relief_kpa": 150.0}), piped(hot=HOT)),
    "water-hot-no-relief": (hot(relief_outside=False), hot()),
    "water-hot-no-expansion": (hot(check_valve=True), hot(check_valve=True, expansion_l=2.0)),
    "water-hot-no-mixer": (hot(mixer_c=None), hot()),
    "water-hot-legionella": (hot(target_temp_c=45.0), hot(target_temp_c=45.0, weekly_60=True)),
    "water-hot-pipe-rating": (hot(source="coil", pipe_rating_c=70.0), hot()),
    "water-heater-dry": (hot(dry_lock=False), hot()),
    "water-instant-weak": (hot(INSTANT, heat_w=5000.0), hot(INSTANT)),
    "water-hot-no-loop": (hot(INSTANT, source="loop"), {**hot(INSTANT, source="loop"), "warmth": LOOP}),
    "water-hot-short": (hot(volume_l=5.0), hot()),
    "water-electric-hot-heavy": (
        wet(power={"bank": {**BANK, "unit_charge_ah": 60.0}}, hot={**HOT, "source": "element", "element_w": 800.0}),
        wet(power={"bank": {**BANK, "unit_charge_ah": 600.0}}, hot={**HOT, "source": "element", "element_w": 800.0}),
    ),
    "water-drain-flat": (wet(drains=[{**DRAIN, "slope_frac": 0.005}]), wet(drains=[DRAIN])),
    "water-drain-shallow": (wet(drains=[{**DRAIN, "slope_frac": 0.015}]), wet(drains=[DRAIN])),
    "water-drain-small": (wet(drains=[{**DRAIN, "inner_diameter_mm": 16.0}]), wet(drains=[DRAIN])),
    "water-sink-edge": (
        wet(drains=[{**DRAIN, "front_mm": 40.0, "behind_mm": 80.0}]),
        wet(drains=[{**DRAIN, "front_mm": 60.0, "behind_mm": 80.0}, {**DRAIN, "id": "b", "fixture": "basin", "front_mm": 20.0}]),
    ),
    "water-no-trap": (wet(drains=[{**DRAIN, "trap": False}]), wet(drains=[DRAIN])),
    "water-grey-no-vent": (wet(tanks=[TANK, {**GREY, "vent_mm": 8.0}]), wet()),
    "water-grey-no-alarm": (
        wet(tanks=[TANK, {**GREY, "full_sensor": False}], drains=[{**DRAIN, "fixture": "shower"}]),
        wet(drains=[{**DRAIN, "fixture": "shower"}]),
    ),
    "water-pump-uncounted": (piped(), piped(pump={"appliance": "lamp"})),
    "water-grey-nowhere": (wet(tanks=[TANK]), wet()),
    "water-direct-drain-black": (wet(toilet={"kind": "cassette", "only_at_points": False}), wet(toilet={"kind": "cassette"})),
    "water-direct-drain-grey": (wet(grey_to="ground"), wet(grey_to="container", container_l=15.0)),
    "water-toilet-vent": (wet(toilet={"kind": "separating"}), wet(toilet={"kind": "separating", "roof_vent": True})),
    "water-toilet-interval": (wet(toilet={"kind": "cassette", "capacity_l": 5.0}), wet(toilet={"kind": "cassette"})),
    "water-freeze-exposed": (wet(FROST, tanks=[UNDER, GREY]), wet(FROST, tanks=[{**UNDER, "foam_mm": 40.0, "heater_w": 60.0}, GREY])),
    "water-freeze-no-drain": (wet(FROST, tanks=[{**UNDER, "drain_valve": False}, GREY]), wet(FROST, tanks=[UNDER, GREY])),
    "water-sanitise-due": (wet(care={"days_ago": 120.0}), wet()),
    "water-chlorine-strong": (wet(care={"days_ago": 1.0, "target_mg_l": 150.0}), wet()),
    "water-filter-due": (wet(filters=[{**CARBON, "used_days": 300.0}]), wet(filters=[{**CARBON, "used_days": 20.0}])),
    "water-filter-over-rated": (piped(filters=[{**CARBON, "at": "all"}]), piped(filters=[CARBON])),
    "water-uv-unprotected": (wet(filters=[{**CARBON, "id": "uv", "kind": "uv"}]), wet(filters=[CARBON, {**CARBON, "id": "uv", "kind": "uv"}])),
    "water-not-tested": (piped(walls_closed=True), piped(walls_closed=True, tests=[TEST])),
    "water-air-test-high": (wet(tests=[{**TEST, "medium": "air", "start_kpa": 120.0, "end_kpa": 119.0, "gas_volume_l": 2.0}]), wet(tests=[TEST])),
    "water-shower-unsealed": (piped(SHOWER, shower_done=DONE[:-1]), piped(SHOWER)),
    "water-gauge-blind": (tank(sender={"empty_z_m": 0.1}), tank(sender={"empty_z_m": 0.02})),
    "water-sender-cable": (tank(sender={"cable_resistance_ohm": 6.0}), tank(sender={"cable_resistance_ohm": 0.5})),
    "water-gauge-wrong": (tank(sender={"full_z_m": 0.9}), tank(sender={"full_z_m": 0.29})),
}


def test_every_rule_of_water_has_its_case() -> None:
    assert {r for r in RULES if r.startswith("water-")} == set(CASES) | {r for r in DANGERS if r.startswith("water-")}


@pytest.mark.parametrize("rule", sorted(CASES))
def test_a_rule_of_water_is_raised_where_it_holds_and_not_beside_it(rule: str) -> None:
    raised_only_there(CASES, rule, "water")


FIXED = with_a_remedy(CASES)


def test_most_of_them_have_a_remedy_of_one_press() -> None:
    assert len(FIXED) > 25


@pytest.mark.parametrize("rule", FIXED)
def test_a_remedy_that_is_a_definite_change_ends_its_finding(rule: str) -> None:
    assert after_its_remedy(CASES, rule)[1] is None


def test_nothing_is_said_of_water_until_somebody_begins_with_it() -> None:
    assert not [r for r in found(lived()) if r.startswith("water-")]


def test_water_kept_at_germs_best_is_a_danger_and_hotter_only_advice() -> None:
    assert found(hot(target_temp_c=45.0))["water-hot-legionella"].severity == "danger"
    assert found(hot(target_temp_c=55.0))["water-hot-legionella"].severity == "advice"


@pytest.mark.parametrize(("rating_c", "mixer_c", "told"), [(59.0, None, True), (65.0, None, False), (39.0, 40.0, True), (40.0, 40.0, False)])
def test_a_hot_run_stands_what_flows_through_it(rating_c: float, mixer_c: float | None, told: bool) -> None:
    raised = {f.id: f for f in report(load_design(piped({**SINK, "hot": True, "rating_c": rating_c}, hot={**HOT, "mixer_c": mixer_c}))).findings}
    assert (f"water-hot-pipe-rating:run:{SINK['id']}" in raised) is told


@pytest.mark.parametrize(("kind", "told"), [("separating", True), ("black", True), ("cassette", False), ("bag", False), ("none", False)])
def test_a_vent_is_asked_for_what_gives_off_gas(kind: str, told: bool) -> None:
    assert ("water-toilet-vent" in found(wet(toilet={"kind": kind}))) is told


@pytest.mark.parametrize(
    ("preset", "to", "told"), [("panel_van", "overboard", True), ("boat", "overboard", False), ("panel_van", "ground", True), ("panel_van", "tank", False)]
)
def test_grey_water_goes_overboard_from_a_boat_alone(preset: str, to: str, told: bool) -> None:
    assert ("water-direct-drain-grey" in found({**wet(grey_to=to), "vehicle": {"preset": preset}})) is told


def test_what_goes_overboard_ends_no_stay() -> None:
    afloat = report(load_design({**wet(grey_to="overboard"), "vehicle": {"preset": "boat"}})).water
    assert "grey" not in {s.name for s in afloat.stores}
    assert afloat.limiting == "fresh"


@pytest.mark.parametrize(("opens_kpa", "told"), [(601.0, True), (600.0, False)])
def test_the_relief_valve_opens_before_a_pipe_bursts(opens_kpa: float, told: bool) -> None:
    raised = report(load_design(piped(hot={**HOT, "relief_kpa": opens_kpa}))).findings
    assert ("water-pressure-over-rating:hot" in {f.id for f in raised}) is told


@pytest.mark.parametrize(("opens_kpa", "told"), [(345.0, True), (346.0, False)])
def test_the_relief_valve_holds_what_the_inlet_brings(opens_kpa: float, told: bool) -> None:
    raised = report(load_design(piped(hookup={"limiter_kpa": 345.0, "check_valve": True}, hot={**HOT, "relief_kpa": opens_kpa}))).findings
    assert ("water-relief-weeps:hot" in {f.id for f in raised}) is told


def test_drained_for_winter_nothing_freezes() -> None:
    assert "water-freeze-exposed" not in found(wet(FROST, tanks=[UNDER, GREY], winter="drain"))


@pytest.mark.parametrize(
    ("preset", "answers"), [("panel_van", ["Catch it in a container of 15 L"]), ("boat", ["It goes overboard", "Catch it in a container of 15 L"])]
)
def test_where_grey_water_goes_is_asked_and_ends_no_stay_meanwhile(preset: str, answers: list[str]) -> None:
    design = load_design({**wet(tanks=[TANK]), "vehicle": {"preset": preset}})
    r = report(design)
    asked = next(f for f in r.findings if f.rule == "water-grey-nowhere")
    assert (asked.severity, [a.label for a in asked.answers]) == ("question", answers)
    assert r.water.limiting == "fresh"
    assert "water-grey-before-fresh" not in {f.rule for f in r.findings}
    for answer in asked.answers:
        assert not {"water-grey-nowhere", "water-direct-drain-grey"} & {f.rule for f in report(apply_patch(design, answer.patch)).findings}


@pytest.mark.parametrize(("water", "told"), [({"grey_to": "container", "container_l": 0.0}, True), ({"tanks": []}, False), ({"grey_to": "ground"}, False)])
def test_nowhere_is_without_tank_and_container_where_water_comes(water: dict[str, Any], told: bool) -> None:
    assert ("water-grey-nowhere" in found(wet(**{"tanks": [TANK], **water}))) is told


@pytest.mark.parametrize(("name", "severity"), [("Water pump", "question"), ("Grey tank pump", "fault"), ("Bilge pump", "fault")])
def test_the_pump_of_the_taps_is_a_line_of_daily_use(name: str, severity: str) -> None:
    line = {"id": "p", "name": name, "kind": "pump", "power_w": 60.0, "uses_per_day": 10.0, "minutes_per_use": 0.5}
    design = load_design({**(data := piped()), "life": {**data["life"], "appliances": [LAMP, line]}})
    f = next(f for f in report(design).findings if f.rule == "water-pump-uncounted")
    assert f.severity == severity
    for change in f.answers or [f.fix]:
        assert change is not None
        after = apply_patch(design, change.patch)
        assert "water-pump-uncounted" not in {x.rule for x in report(after).findings}
        assert after.appliance(after.water.pump.appliance or "") is not None  # type: ignore[union-attr]
