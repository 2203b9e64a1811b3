"""Every rule of gas: a design that raises it and one beside it that does not; remedies that end their finding."""

from __future__ import annotations

import copy
from typing import Any

import pytest

from bothy.core.design.gas import Gas
from bothy.core.finding import RULES
from bothy.core.gas.pipework import marks
from tests.core.test_dangers import CASES as DANGERS
from tests.designs import BANK, INVERTER, found, lived
from tests.rule_cases import after_its_remedy, raised_only_there, with_a_remedy

HOB: dict[str, Any] = {"id": "hob", "name": "Hob", "kind": "hob_burner", "count": 2, "nominal_mbar": 30.0, "flame_failure": True, "valve": True}
HEATER: dict[str, Any] = {"id": "heater", "name": "Heater", "kind": "space_heater", "room_sealed": True, "flame_failure": True, "valve": True}
CYLINDER: dict[str, Any] = {
    "id": "six",
    "name": "Propane 6 kg",
    "capacity_kg": 6.0,
    "tare_kg": 7.0,
    "diameter_m": 0.26,
    "height_m": 0.5,
    "straps": 2,
    "restraint_n": 3000.0,
}
VENT: dict[str, Any] = {
    "id": "low",
    "name": "Drain",
    "position": "low",
    "width_mm": 160.0,
    "height_mm": 100.0,
    "free_frac": 0.7,
    "to_opening_m": 0.8,
    "to_exhaust_m": 1.5,
}
LOCKER: dict[str, Any] = {"length_m": 0.6, "width_m": 0.35, "height_m": 0.6, "sealed": True, "vents": [VENT]}
MAIN: dict[str, Any] = {"id": "main", "name": "Main", "length_m": 2.5, "clip_m": 0.5, "grommets": True, "fittings": {"valve_ball": 1}}
TO_HOB: dict[str, Any] = {"id": "to-hob", "name": "To the hob", "parent": "main", "appliance": "hob", "length_m": 0.8, "clip_m": 0.5, "grommets": True}
REGULATOR: dict[str, Any] = {"nominal_mbar": 30.0, "capacity_kg_h": 1.5, "age_years": 1.0}
HOSE: dict[str, Any] = {"id": "pigtail", "name": "Pigtail", "length_m": 0.4, "age_years": 1.0}
SOLENOID: dict[str, Any] = {"normally_closed": True, "hold_w": 1.0, "open_h_day": 3.0}
TEST: dict[str, Any] = {"id": "t", "start_mbar": 150.0, "end_mbar": 150.0, "signed": True, "isolated": True}
WARMTH: dict[str, Any] = {
    "vents": [
        {"id": "h", "name": "Roof vent", "kind": "fixed_roof", "free_area_mm2": 15000.0},
        {"id": "l", "name": "Floor vent", "kind": "fixed_low", "free_area_mm2": 15000.0},
    ],
    "alarms": [{"id": "co", "kind": "co"}],
}
GAS: dict[str, Any] = {
    "installer": "licensed",
    "appliances": [HOB],
    "vessels": [CYLINDER],
    "locker": LOCKER,
    "regulator": REGULATOR,
    "hoses": [HOSE],
    "pipes": [MAIN, TO_HOB],
    "lpg_alarm": {},
    "off_at_fuel": True,
    "certificate": {"months_ago": 3.0},
}
SWITCHED: dict[str, Any] = {
    "boards": [{"id": "a", "name": "Board", "letter": "A", "way_count": 12}],
    "circuits": [{"id": "valve", "name": "Gas valve", "kind": "load", "board": "a", "appliances": ["valve"], "length_m": 2.0, "area_mm2": 1.5, "fuse_a": 3.0}],
    "panel": {"things": [{"id": "s", "kind": "rocker", "label": "Gas", "circuit": "valve", "x_mm": 40.0, "y_mm": 40.0}]},
}
VALVE: dict[str, Any] = {"id": "valve", "name": "Gas valve", "kind": "safety", "power_w": 1.0, "hours_per_day": 3.0}
INVERNESS = {"place": "inverness", "from_month": 12, "to_month": 2}


def gassed(region: str = "uk", life: dict[str, Any] | None = None, warmth: dict[str, Any] | None = None, tested: bool = True, **gas: Any) -> dict[str, Any]:
    """A sound van with a hob on gas, changed by what is given; its leak test is of what there is then."""
    data = lived(**{"people": 2, **(life or {})})
    data["region"] = region
    data["warmth"] = copy.deepcopy({**WARMTH, **(warmth or {})})
    said = copy.deepcopy({**GAS, **gas})
    if tested and "tests" not in gas:
        said["tests"] = [{**TEST, "system": marks(Gas.model_validate({k: v for k, v in said.items() if k != "checks"}))}]
    data["gas"] = said
    return data


def one(key: str, item: dict[str, Any], **more: Any) -> dict[str, Any]:
    """The van with the first item of a list changed."""
    rest = GAS[key][1:] if key != "pipes" else []
    return gassed(**{key: [{**item, **more}, *rest]})


def appliance(**more: Any) -> dict[str, Any]:
    return gassed(appliances=[{**HOB, **more}])


def heater(**more: Any) -> dict[str, Any]:
    return gassed(appliances=[HOB, {**HEATER, **more}])


def pipe(**more: Any) -> dict[str, Any]:
    return gassed(pipes=[MAIN, {**TO_HOB, **more}])


def locker(**more: Any) -> dict[str, Any]:
    return gassed(locker={**LOCKER, **more})


def vent(**more: Any) -> dict[str, Any]:
    return locker(vents=[VENT, {**VENT, "id": "second", **more}])


def regulator(**more: Any) -> dict[str, Any]:
    return gassed(regulator={**REGULATOR, **more})


def test(**more: Any) -> dict[str, Any]:
    return gassed(tests=[{**TEST, "system": marks(Gas.model_validate(GAS)), **more}])


test.__test__ = False  # type: ignore[attr-defined]


def boat(**more: Any) -> dict[str, Any]:
    return {**locker(**{"drain_overboard": True, "drain_above_water": True, **more}), "vehicle": {"preset": "boat", "bank_place": "warm_inside"}}


def trip(place: str) -> dict[str, Any]:
    return {**gassed(), "trips": {"start_date": "2027-03-01", "legs": [{"id": "away", "place": place, "days_count": 10}]}}


def kitchen(power: dict[str, Any], **gas: Any) -> dict[str, Any]:
    return {**gassed(**gas), "power": power}


WIDE = {**CYLINDER, "kind": "cylinder", "capacity_kg": 13.0, "diameter_m": 0.32, "height_m": 0.58, "restraint_n": 4000.0}
TANK = {**CYLINDER, "kind": "tank", "place": "underfloor", "stop_80": True}
BOILER = {"heaters": [{"id": "boiler", "name": "Gas heater", "kind": "air", "fuel": "propane", "max_w": 2000.0, "min_w": 1000.0, "room_sealed": True}]}
STRONG = {"bank": {**BANK, "unit_charge_ah": 400.0}, "inverter": {**INVERTER, "rating_w": 3000.0}}
NARROW = {**MAIN, "inner_diameter_mm": 4.0, "length_m": 4.0}

CASES: dict[str, tuple[dict[str, Any], dict[str, Any]]] = {
    "gas-licence-required": (gassed("au", installer="owner"), gassed("au")),
    "gas-no-certificate": (gassed(certificate={"months_ago": 20.0}), gassed()),
    "gas-locker-not-sealed": (locker(unsealed="cable hole to the galley"), gassed()),
    "gas-locker-inside-access": (locker(opens="inside_sealed", sill_mm=30.0), locker(opens="inside_sealed", sill_mm=60.0)),
    "gas-locker-vent-small": (locker(vents=[{**VENT, "width_mm": 90.0}]), gassed()),
    "gas-locker-vent-blocked": (vent(closable=True), vent()),
    "gas-vent-near-opening": (vent(to_exhaust_m=0.6), vent()),
    "gas-locker-spark": (locker(sparks=["a lamp"]), gassed()),
    "gas-cylinder-lying": (one("vessels", CYLINDER, angle_deg=60.0), gassed()),
    "gas-cylinder-loose": (one("vessels", CYLINDER, restraint_n=500.0), gassed()),
    "gas-vessel-indoors": (one("vessels", CYLINDER, place="inside"), gassed()),
    "gas-locker-missing": (gassed(locker=None), one("vessels", CYLINDER, place="outside") | {}),
    "gas-vessel-too-large": (one("vessels", CYLINDER, height_m=0.7), gassed()),
    "gas-mass-unplanned": (one("vessels", CYLINDER, budgeted=False), gassed()),
    "gas-drop-vent-missing": (
        gassed(low_points=[{"id": "p", "name": "Bed box", "hole_mm2": 400.0}]),
        gassed(low_points=[{"id": "p", "name": "Bed box", "hole_mm2": 1200.0}]),
    ),
    "gas-permanent-vent-short": (gassed(warmth={"vents": []}), gassed()),
    "gas-not-room-sealed": (heater(room_sealed=False), heater()),
    "gas-hob-as-heater": (appliance(heats_room=True), gassed()),
    "gas-no-flame-failure": (appliance(flame_failure=False), gassed()),
    "gas-pressure-mismatch": (appliance(nominal_mbar=50.0), appliance(nominal_mbar=37.0, plate_28_37=True)),
    "gas-regulator-missing": (gassed(regulator=None), gassed()),
    "gas-regulator-small": (regulator(capacity_kg_h=0.2), gassed()),
    "gas-regulator-old": (regulator(age_years=12.0), gassed()),
    "gas-hose-expired": (one("hoses", HOSE, age_years=6.0), one("hoses", HOSE, age_years=6.0, high_pressure=False)),
    "gas-hose-long": (one("hoses", HOSE, length_m=0.7), one("hoses", HOSE, length_m=0.7, slides=True)),
    "gas-hose-pressure": (one("hoses", HOSE, high_pressure=False), one("hoses", HOSE)),
    "gas-hose-through-wall": (one("hoses", HOSE, through_wall=True), gassed()),
    "gas-no-isolation": (appliance(valve_reached=False), gassed()),
    "gas-appliance-unpiped": (heater(), gassed()),
    "gas-appliance-unlisted": (gassed(warmth=BOILER), gassed(warmth=BOILER, appliances=[HOB, {**HEATER, "heater": "boiler"}])),
    "gas-pipe-drop-high": (gassed(pipes=[NARROW, TO_HOB]), gassed()),
    "gas-pipe-transition": (
        gassed(pipes=[{**MAIN, "inner_diameter_mm": 6.0, "length_m": 4.4}, {**TO_HOB, "inner_diameter_mm": 6.0}], appliances=[{**HOB, "heat_input_w": 2300.0}]),
        gassed(),
    ),
    "gas-pipe-unsupported": (pipe(clip_m=0.8), pipe(clip_m=0.8, material="steel")),
    "gas-pipe-near-cable": (pipe(to_cable_mm=15.0), pipe(to_cable_mm=15.0, crosses_cable=True, cable_cover=True)),
    "gas-joint-hidden": (pipe(hidden_joint=True), gassed()),
    "gas-joint-wrong-type": (pipe(joint="push_fit"), pipe(joint="flare")),
    "gas-test-missing": (gassed(tested=False), gassed()),
    "gas-test-failed": (test(end_mbar=141.0), gassed()),
    "gas-test-invalid": (test(duration_min=2.0), gassed()),
    "gas-test-unsigned": (test(signed=False), gassed()),
    "gas-test-overpressure": (test(isolated=False, start_mbar=200.0, end_mbar=200.0), gassed()),
    "gas-check-failed": (gassed(checks=[{"id": "c", "value": 27.0}]), gassed(checks=[{"id": "c", "value": 29.5}])),
    "gas-lpg-alarm-missing": (gassed(lpg_alarm={"height_m": 0.2, "bunk_edge_m": 0.1}), gassed()),
    "gas-co-alarm-missing": (gassed(warmth={"alarms": []}), gassed()),
    "gas-solenoid-open-type": (gassed(solenoid={**SOLENOID, "normally_closed": False}), gassed(solenoid=SOLENOID)),
    "gas-solenoid-panel": (
        gassed(solenoid=SOLENOID),
        {**gassed(solenoid={**SOLENOID, "appliance": "valve"}), "life": {"people": 2, "appliances": [VALVE]}, "wiring": SWITCHED},
    ),
    "gas-ignition-supply": (appliance(igniter="mains"), appliance(igniter="dc")),
    "gas-solenoid-energy": (gassed(solenoid={**SOLENOID, "hold_w": 6.0, "open_h_day": 24.0}), gassed(solenoid=SOLENOID)),
    "gas-butane-cold": (gassed(gas="butane", life=INVERNESS), gassed(gas="butane")),
    "gas-mix-residue": (gassed(gas="mix_50_50", life=INVERNESS), gassed(gas="mix_50_50")),
    "gas-vaporisation-short": (gassed(appliances=[HOB, HEATER | {"heat_input_w": 6000.0}], life=INVERNESS), gassed(life=INVERNESS)),
    "gas-autonomy-short": (gassed(target_days=60.0), gassed()),
    "gas-overfill": (one("vessels", CYLINDER, self_filled=True), one("vessels", CYLINDER, self_filled=True, stop_80=True)),
    "gas-no-fill-on-route": (trip("marrakesh"), trip("london")),
    "gas-drive-open": (gassed(while_driving="open"), gassed(while_driving="open", regulator={**REGULATOR, "crash_safe": True, "hose_break": True})),
    "gas-refuel-flame": ({**heater(), "gas": {**heater()["gas"], "off_at_fuel": False}}, heater()),
    "gas-ferry-tunnel": (gassed(ferry_or_tunnel=True), gassed()),
    "gas-near-heat": (locker(to_heat_m=0.1), locker(to_heat_m=0.5)),
    "gas-bbq-point": (appliance(outside_point=True), gassed()),
    "gas-boat-drain": (boat(drain_overboard=False), boat()),
    "gas-alcohol-refill": (gassed(cooking="alcohol"), gassed(cooking="alcohol", alcohol_cold_outside=True)),
    "gas-induction-power": (kitchen({"bank": BANK, "inverter": {**INVERTER, "rating_w": 800.0}}, cooking="induction"), kitchen(STRONG, cooking="induction")),
}


def test_every_rule_of_gas_has_its_case() -> None:
    assert {r for r in RULES if r.startswith("gas-")} == set(CASES) | {r for r in DANGERS if r.startswith("gas-")}


@pytest.mark.parametrize("rule", sorted(CASES))
def test_a_rule_of_gas_is_raised_where_it_holds_and_not_beside_it(rule: str) -> None:
    raised_only_there(CASES, rule, "gas")


FIXED = with_a_remedy(CASES)


def test_some_of_them_have_a_remedy_of_one_press() -> None:
    assert len(FIXED) >= 14


@pytest.mark.parametrize("rule", FIXED)
def test_a_remedy_that_is_a_definite_change_ends_its_finding(rule: str) -> None:
    before, after = after_its_remedy(CASES, rule)
    if rule in ("gas-autonomy-short", "gas-solenoid-panel"):  # one more, or one step on the way to it
        assert after is None or after.message != before.message
    else:
        assert after is None


def test_nothing_is_said_of_gas_until_somebody_begins_with_it() -> None:
    assert not [r for r in found(lived()) if r.startswith("gas-")]


def test_the_sound_van_has_nothing_but_what_is_usual() -> None:
    assert not [f.message for f in found(gassed()).values() if f.stage == "gas"]


@pytest.mark.parametrize(
    ("change", "needs"),
    [({"region": "uk"}, False), ({"let_or_lived_in": True}, True), ({"local_licence": True}, True), ({"region": "au"}, True), ({"region": "us"}, False)],
)
def test_who_must_hold_a_licence_goes_by_region_and_use(change: dict[str, Any], needs: bool) -> None:
    region = change.pop("region", "uk")
    assert ("gas-licence-required" in found(gassed(region, installer="owner", **change))) is needs


def test_a_tank_filled_beyond_its_stop_is_a_danger_and_eighty_ends_it() -> None:
    bad = gassed(vessels=[{**TANK, "fill_limit_frac": 0.85}])
    assert found(bad)["gas-overfill"].severity == "danger"
    assert "gas-overfill" not in found(gassed(vessels=[TANK]))


def test_a_change_after_the_test_names_what_was_changed() -> None:
    data = gassed()
    data["gas"]["pipes"][1]["length_m"] = 1.4
    assert "To the hob" in found(data)["gas-test-missing"].message
    data["gas"]["hoses"] = []
    assert "hose that is gone" in found(data)["gas-test-missing"].message


def test_a_new_name_or_an_older_hose_is_no_change_to_the_system() -> None:
    data = gassed()
    data["gas"]["pipes"][1]["name"] = "To the cooker"
    data["gas"]["hoses"][0]["age_years"] = 2.0
    assert "gas-test-missing" not in found(data)


def test_the_failed_test_before_a_good_one_is_history() -> None:
    data = gassed()
    data["gas"]["tests"].insert(0, {**TEST, "id": "first", "end_mbar": 120.0})
    assert "gas-test-failed" not in found(data)


def test_wide_cylinders_side_by_side_need_a_longer_locker() -> None:
    three = gassed(vessels=[{**WIDE, "count": 3}])
    assert "gas-vessel-too-large" in found(three)
    three["gas"]["locker"] = {**LOCKER, "length_m": 1.0}
    assert "gas-vessel-too-large" not in found(three)


def test_warmth_leaves_the_fixed_vents_to_gas_once_its_appliances_are_listed() -> None:
    bare = gassed(warmth={"vents": [], "damp": {"hob_kw": 3.6, "hob_h_per_day": 0.5}})
    assert "warm-gas-vent-small" not in found(bare)
    assert "gas-permanent-vent-short" in found(bare)
    bare["gas"] = {}
    assert "warm-gas-vent-small" in found(bare)
