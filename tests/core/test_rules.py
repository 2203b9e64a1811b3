"""Every rule: a design that raises it, and, where there is a definite remedy, that the remedy clears it."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.design.edit import apply_patch
from bothy.core.design.prove import Accepted, answered
from bothy.core.finding import RULES, SEVERITIES, finding, in_order, rule
from bothy.core.method.sources import Method
from bothy.core.report import report
from bothy.core.severity import Severity
from tests.core.test_dangers import CASES
from tests.designs import AGM, BANK, CHARGER, DCDC, FRIDGE, INVERTER, KETTLE, LAMP, MPPT, PANELS, blank, circuit, found, lived, made, reported, wired

INVERTER_FEED = {"id": "feed", "name": "Feed", "kind": "inverter", "length_m": 1.0, "area_mm2": 70.0}
FROST = {"place": "inverness", "from_month": 12, "to_month": 2}


def powered(appliances: list[dict[str, Any]] | None = None, **power: Any) -> dict[str, Any]:
    return lived(appliances, {"bank": BANK, **power})


def cold(bank: dict[str, Any], **more: Any) -> dict[str, Any]:
    data = lived(None, {"bank": bank, "shore": CHARGER, **more}, **FROST)
    data["vehicle"]["bank_place"] = "underfloor"
    return data


def on_feed(protection: str, rating: float) -> dict[str, Any]:
    data = wired({**INVERTER_FEED, "protection": protection, "fuse_a": rating}, appliances=[KETTLE])
    data["power"] = {"bank": BANK, "inverter": INVERTER}
    return data


def panels(array: dict[str, Any] | None = None, controller: dict[str, Any] | None = None) -> dict[str, Any]:
    return powered(arrays=[{**PANELS, **(array or {})}], controller={**MPPT, **(controller or {})})


def vehicle(data: dict[str, Any], **more: Any) -> dict[str, Any]:
    data["vehicle"] = {**data["vehicle"], **more}
    return data


MAIN = {"id": "main", "name": "Main", "kind": "main", "length_m": 0.5, "area_mm2": 70.0, "fuse_a": 150.0, "fuse_family": "class_t"}
FEEDER = {"id": "feeder", "name": "Board feed", "kind": "feeder", "board": "a", "length_m": 1.5, "area_mm2": 16.0, "fuse_a": 40.0}
BETWEEN = {"id": "in", "name": "From the starter", "kind": "driving_in", "length_m": 3.0, "area_mm2": 35.0, "fuse_a": 80.0}


def fed(*circuits: dict[str, Any], feeder: dict[str, Any] | None = None) -> dict[str, Any]:
    """A bank, its main, one board with its feeder, and circuits on it."""
    return wired(MAIN, {**FEEDER, **(feeder or {})}, *circuits, power={"bank": BANK})


OVEN = {**KETTLE, "id": "oven", "name": "Oven", "power_w": 3200.0}


def plugged(mains: dict[str, Any] | None, **more: Any) -> dict[str, Any]:
    """A mains circuit behind shore and inverter, with a mains side made in one way."""
    one = circuit(**{"kind": "ac", "board": None, "appliances": ["kettle"], "fuse_a": 10.0, "protection": "breaker", **more})
    data = wired(one, appliances=[KETTLE, OVEN], power={"bank": BANK, "inverter": {**INVERTER, "rating_w": 3600.0, "surge_power_w": 7000.0}, "shore": CHARGER})
    data["wiring"]["mains"] = mains
    return data


def switched(**thing: Any) -> dict[str, Any]:
    """A fed lamp with its switch on a plate, changed in one way."""
    one = {"id": "t", "kind": "rocker", "label": "Lamp", "circuit": "c1", "x_mm": 60.0, "y_mm": 50.0, **thing}
    data = fed(circuit())
    return {**data, "wiring": {**data["wiring"], "panel": {"width_mm": 200.0, "height_mm": 100.0, "things": [one]}}}


def on_shore(data: dict[str, Any], **shore: Any) -> dict[str, Any]:
    return {**data, "power": {**data["power"], "shore": {**CHARGER, **shore}}}


def side(**wiring: Any) -> dict[str, Any]:
    """The same with one lamp, and the negative side made another way."""
    data = fed(circuit())
    return {**data, "wiring": {**data["wiring"], **wiring}}


def routed(*more: dict[str, Any], wiring: dict[str, Any] | None = None, **way: Any) -> dict[str, Any]:
    """A fed lamp whose cable, with those of other circuits, lies in a raceway made in one way."""
    on = [{**x, "raceways": ["way"]} for x in (circuit(), *more)]
    data = wired(MAIN, FEEDER, *on, appliances=[LAMP, KETTLE], power={"bank": BANK, "inverter": INVERTER})
    return {**data, "wiring": {**data["wiring"], "mains": {}, "raceways": [{"id": "way", "name": "Left wall", **way}], **(wiring or {})}}


SOCKETS = {
    "id": "sockets",
    "name": "Sockets",
    "kind": "ac",
    "appliances": ["kettle"],
    "length_m": 4.0,
    "area_mm2": 1.5,
    "fuse_a": 10.0,
    "protection": "breaker",
}
DISPLAY = {"kind": "ethernet", "gap_mm": 20.0}


def zoned(*places: dict[str, Any], panel: dict[str, Any] | None = None, **zone: Any) -> dict[str, Any]:
    """A fed lamp in a lighting zone with the given switches."""
    named = [{"id": f"p{n}", "name": f"Place {n}", **p} for n, p in enumerate(places)]
    z = {"id": "z", "name": "Living", "lights": ["lamp"], "places": named, **zone}
    data = fed(circuit())
    return {**data, "wiring": {**data["wiring"], "zones": [z], "panel": panel}}


TWO_LIGHTS = [LAMP, {**LAMP, "id": "spot", "name": "Spot", "power_w": 3.0}]
SMALL_PANEL = {"panel_power_w": 100.0, "vmp_v": 18.0, "imp_a": 5.56, "voc_v": 21.6, "isc_a": 5.9}

RAISED: dict[str, dict[str, Any]] = {
    "vehicle-payload-used": vehicle(powered(shore=CHARGER, bank={**BANK, "unit_mass_kg": 60.0}), payload_kg=200.0),
    "power-load-saturated": lived([{**FRIDGE, "duty_frac": 0.95, "ambient_dependent": True}], None, place="alice_springs", from_month=1, to_month=1),
    "power-inverter-hours-short": powered(
        [{**KETTLE, "uses_per_day": None, "minutes_per_use": None, "hours_per_day": 10.0, "power_w": 60.0}],
        inverter={**INVERTER, "mode": "scheduled", "on_h": 4.0},
    ),
    "power-inverter-idle-heavy": powered([{**KETTLE, "uses_per_day": 0.2}], inverter={**INVERTER, "mode": "always", "idle_w": 30.0}),
    "power-inverter-breaker-small": on_feed("breaker", 90.0),
    "power-inverter-breaker-tight": on_feed("breaker", 175.0),
    "power-inverter-fuse-small": on_feed("fuse", 100.0),
    "power-inverter-fuse-tight": on_feed("fuse", 175.0),
    "power-system-voltage-low": powered([KETTLE], inverter={**INVERTER, "rating_w": 3000.0, "surge_power_w": 6000.0}),
    "power-inverter-none-fits": powered([{**KETTLE, "power_w": 9000.0}], inverter=INVERTER),
    "power-inverter-oversized": powered([{**KETTLE, "power_w": 60.0}], inverter=INVERTER),
    "power-inverter-hot": lived([LAMP, KETTLE], {"bank": BANK, "inverter": INVERTER}, place="alice_springs", from_month=12, to_month=2),
    "power-inverter-small": powered([{**KETTLE, "power_w": 1800.0}], inverter=INVERTER),
    "power-modified-sine": powered([{**KETTLE, "pure_sine": True}], inverter={**INVERTER, "pure_sine": False}),
    "power-bank-series-limit": lived(None, {"system_voltage_v": 48, "bank": {**BANK, "series_count": 5}}),
    "power-bank-parallel-many": lived(None, {"bank": {**BANK, "parallel_count": 6, "wiring": "busbar"}}),
    "power-bank-same-end": lived(None, {"bank": {**BANK, "parallel_count": 3, "wiring": "same_end"}}),
    "power-bank-sharing": lived(None, {"bank": {**BANK, "parallel_count": 4, "wiring": "same_end"}}),
    "power-bank-discharge-limit": lived([{**LAMP, "power_w": 3000.0}], {"bank": {**BANK, "unit_max_discharge_a": 50.0}}),
    "power-bank-voltage-mismatch": lived(None, {"system_voltage_v": 24, "bank": BANK}),
    "power-charge-below-freezing": cold({**BANK, "cold_charge_cutoff": False, "heater_power_w": 0.0}),
    "power-charger-over-bank": powered(shore={"charger_current_a": 400.0}),
    "power-charger-small": lived(None, {"bank": AGM, "shore": {"charger_current_a": 8.0}}),
    "power-lead-never-full": lived([{**LAMP, "power_w": 200.0}], {"bank": AGM, "arrays": [PANELS], "controller": MPPT}),
    "power-solar-voc-over": panels({"series_count": 3}),
    "power-solar-voc-tight": panels({"series_count": 2}, {"max_voltage_v": 92.0}),
    "power-solar-vmp-low": panels({**SMALL_PANEL, "vmp_v": 15.0, "imp_a": 6.67, "isc_a": 7.2}),
    "power-solar-start-low": panels({**SMALL_PANEL, "vmp_v": 19.6, "imp_a": 5.1}),
    "power-solar-isc-over": panels({"parallel_count": 8}),
    "power-solar-isc-tight": panels({"parallel_count": 5}, {"max_charge_current_a": 60.0}),
    "power-solar-overpanel": panels({"parallel_count": 4}),
    "power-solar-mismatch": powered(arrays=[{**PANELS, "series_count": 2}, {**PANELS, "id": "two", "series_count": 1}], controller=MPPT),
    "power-solar-pwm-loss": panels(None, {"controller_type": "pwm"}),
    "power-solar-string-fuse": panels({"parallel_count": 3, "max_series_fuse_a": 15.0}),
    "power-solar-string-fuse-none": panels({"parallel_count": 4, "max_series_fuse_a": 8.0}, {"max_charge_current_a": 60.0}),
    "power-panel-data-inconsistent": panels({"panel_power_w": 260.0}),
    "power-solar-disconnect": panels({"disconnect": False}),
    "power-panel-glued-hot": panels({"mounting": "glued"}),
    "power-solar-no-controller": powered(arrays=[PANELS]),
    "power-lithium-direct-alternator": powered(driving={"school": "relay", "rating_a": 100.0}),
    "power-relay-overload": vehicle(
        lived(None, {"bank": {**AGM, "parallel_count": 4}, "driving": {"school": "relay", "rating_a": 100.0}}), alternator_rated_a=60.0, smart_alternator=False
    ),
    "power-relay-smart-alternator": lived(None, {"bank": AGM, "driving": {"school": "relay", "rating_a": 100.0}}),
    "power-alternator-no-room": vehicle(powered(driving={"rating_a": 120.0}), alternator_rated_a=90.0),
    "power-alternator-idle": powered(driving={"rating_a": 60.0}),
    "power-charge-profile": powered(shore={"charger_current_a": 20.0, "profile": {"absorption_v": 15.5}}),
    "power-starter-unattended": {**powered(), "trips": {"start_date": "2026-06-01", "legs": [{"id": "a", "place": "london", "days_count": 20}]}},
    "power-second-alternator": powered(driving={"school": "second", "rating_a": 150.0}),
    "power-balance-negative": lived([{**LAMP, "power_w": 200.0, "hours_per_day": 12.0}], {"bank": BANK}),
    "power-bank-floor": lived([{**LAMP, "power_w": 200.0, "hours_per_day": 20.0}], {"bank": BANK}),
    "wire-fuse-above-ampacity": wired(circuit(fuse_a=30.0)),
    "wire-no-fuse-at-source": wired(circuit(fuse_a=None, protection="none")),
    "wire-over-ampacity": wired(circuit(), appliances=[{**LAMP, "power_w": 400.0}]),
    "wire-interrupt-too-low": wired(
        {"id": "main", "name": "Main", "kind": "main", "length_m": 0.5, "area_mm2": 35.0, "fuse_a": 40.0, "fuse_family": "bolt_sf30"},
        circuit(),
        power={"bank": BANK},
    ),
    "wire-fuse-voltage-too-low": {**wired(circuit(fuse_family="blade_mini")), "power": {"system_voltage_v": 48}},
    "wire-device-fuse-exceeded": wired(circuit(area_mm2=4.0, fuse_a=20.0), appliances=[{**LAMP, "max_fuse_a": 5.0}]),
    "wire-insulation-engine": wired(circuit(engine_space=True, insulation_temp_c=60, area_mm2=4.0)),
    "wire-drop-over-limit": wired(circuit(appliances=["fridge"], length_m=12.0, area_mm2=1.5, fuse_a=7.5), appliances=[FRIDGE]),
    "wire-fuse-below-load": wired(circuit(fuse_a=3.0), appliances=[{**LAMP, "power_w": 48.0}]),
    "wire-fuse-window-empty": wired(circuit(area_mm2=1.0, fuse_a=15.0), appliances=[{**LAMP, "power_w": 170.0}]),
    "wire-fuse-margin": wired(circuit(area_mm2=2.5, fuse_a=5.0), appliances=[{**LAMP, "power_w": 48.0}]),
    "wire-mechanical-minimum": wired(circuit(area_mm2=0.5, fuse_a=2.0)),
    "wire-split-circuit": wired(
        circuit(appliances=["lamp", "spot"], area_mm2=1.0, fuse_a=15.0), appliances=[{**x, "kind": "other", "power_w": 80.0} for x in TWO_LIGHTS]
    ),
    "wire-board-overload": wired(circuit(area_mm2=25.0, fuse_a=60.0), appliances=[{**LAMP, "power_w": 500.0}]),
    "wire-board-no-spare": wired(circuit(), ways=2),
    "wire-all-lights-one-fuse": wired(circuit(appliances=["lamp", "spot"]), appliances=TWO_LIGHTS),
    "wire-chassis-return": wired(circuit(return_path="chassis", area_mm2=35.0, fuse_a=60.0), appliances=[{**LAMP, "power_w": 450.0}]),
    "wire-not-sized": wired(circuit(area_mm2=None, fuse_a=None)),
    "wire-appliance-unfed": wired(circuit(), appliances=TWO_LIGHTS),
    "wire-voltage-collapse": wired(circuit(area_mm2=1.0, length_m=90.0, fuse_a=20.0), appliances=[{**LAMP, "power_w": 150.0}]),
    "wire-load-undervoltage": wired(circuit(appliances=["fridge"], length_m=20.0, area_mm2=1.5, fuse_a=7.5, drop_class="non_critical"), appliances=[FRIDGE]),
    "wire-fault-too-weak": fed(circuit(length_m=30.0, area_mm2=1.5, fuse_a=15.0)),
    "wire-selectivity": fed(circuit(area_mm2=10.0, fuse_a=40.0), feeder={"fuse_a": 50.0, "area_mm2": 35.0}),
    "wire-both-ends-unfused": wired(BETWEEN, power={"bank": AGM, "driving": {"school": "relay", "rating_a": 50.0}}),
    "wire-fuse-too-far": wired(circuit(fuse_distance_m=0.6)),
    "wire-holder-too-small": wired(circuit(holder_rating_a=3.0)),
    "wire-dc-breaker-wrong": wired(circuit(protection="breaker", breaker_mark="ac_only")),
    "wire-shunt-bypassed": wired(circuit(negative_at="post")),
    "wire-multi-chassis-bond": side(chassis_bond_count=2),
    "wire-bond-thin": side(chassis_bond_mm2=6.0),
    "wire-single-bus": side(bus_layout="one"),
    "wire-board-unconnected": wired(circuit(), power={"bank": BANK}),
    "wire-ac-unsaid": plugged(None),
    "wire-ac-no-rcd": plugged({"rcd": False}),
    "wire-ac-single-pole": plugged({"poles": "single"}),
    "wire-ac-parallel-sources": plugged({"transfer": "joined"}),
    "wire-ac-ne-bond": plugged({"bond": "permanent"}),
    "wire-ac-chassis-unbonded": plugged({"chassis_bond_mm2": None}),
    "wire-ac-breaker-above-lead": plugged({"style": "leads", "lead_mm2": 1.0}, fuse_a=16.0),
    "wire-ac-load-over-breaker": on_shore(plugged({}, appliances=["oven"]), inlet_current_a=10.0),
    "wire-ac-lead-short": plugged({"style": "leads", "stock": [{"length_m": 2.0}]}),
    "wire-lead-coiled": plugged({"style": "leads", "stock": [{"length_m": 10.0}]}, appliances=["oven"], fuse_a=16.0),
    "wire-switch-overload": switched(rating_a=0.5),
    "wire-switch-margin": switched(rating_a=1.2),
    "wire-panel-clash": switched(x_mm=20.0),
    "wire-panel-unbound": switched(circuit=None),
    "wire-conduit-overfull": routed(inner_diameter_mm=4.5),
    "wire-conduit-jam": routed(circuit("single", return_path="chassis"), inner_diameter_mm=7.5),
    "wire-ac-dc-mixed": routed(SOCKETS, kind="trunking", width_mm=40.0, height_mm=25.0),
    "wire-colour-clash": {**routed(SOCKETS, inner_diameter_mm=29.0), "region": "us"},
    "wire-on-gas-route": routed(gas_distance_mm=60.0),
    "wire-near-flue": routed(flue_distance_mm=120.0),
    "wire-no-grommet": routed(metal_holes_count=3, grommets_count=2),
    "wire-clip-spacing": routed(kind="open", clip_spacing_mm=600.0),
    "wire-data-near-mains": routed(SOCKETS, kind="open", length_m=3.0, signals=[DISPLAY]),
    "wire-cable-burns-first": fed(circuit(clearing_time_s=0.5)),
    "wire-parallel-unequal": side(circuits=[{**MAIN, "parallel_count": 2, "parallel_equal": False}]),
    "wire-hidden-joint": fed(circuit(joint="behind_lining")),
    "wire-negative-smaller": fed(circuit(area_mm2=4.0, fuse_a=20.0, negative_area_mm2=0.75)),
    "wire-reachable-live": side(live_covered=False),
    "wire-stud-stacked": side(
        bus_studs_count=1, circuits=[MAIN, *({**FEEDER, "id": f"f{n}", "board": None, "kind": "load", "appliances": []} for n in range(5))]
    ),
    "wire-isolator-small": side(isolator_a=100.0),
    "wire-label-missing": fed(circuit(labelled="near")),
    "wire-spares-missing": side(spares=[]),
    "wire-no-switch-at-door": zoned({"door_distance_m": 2.4, "height_m": 1.2}),
    "wire-zone-way": zoned({"wire_m": 3.0}, {"wire_m": 2.5}, control="change_over", lamp_wire_m=1.5),
    "wire-zone-empty": zoned(),
    "wire-ac-outlets-many": plugged({}, outlet_count=4),
    "wire-double-feed": fed(circuit(), {**FEEDER, "id": "second", "name": "Second feed"}),
}
READINGS = {r for r in RULES if r.startswith("test-")} | {"wire-test-failed"}
"""Raised by readings, steps and weighings; see prove/test_proving, prove/test_commissioning, test_loop_test and fit/test_fit_rules."""
NOT_YET = {
    "power-charge-no-surplus": "the report charges with nothing else running",
    "power-shore-overload": "the report charges with nothing else running",
    "power-charge-temperature": "needs a place colder than the climates of the table",
    "power-solar-overpanel-forbidden": "the design does not hold the maker's word yet",
    "power-dcdc-input-drop": "see test_a_long_thin_cable_to_the_charger",
}
"""Rules that the calculators raise and the design cannot: each with the reason."""


def test_every_registered_rule_has_a_design_that_raises_it() -> None:
    """Those of trips are raised by a run, a search or a file, which are no part of the report; those of warmth, water, gas, fit and build have files of their
    own: see their tests."""
    assert {r for r in RULES if not r.startswith(("sim-", "warm-", "water-", "gas-", "fit-", "build-"))} == set(RAISED) | READINGS | set(NOT_YET) | {
        r for r in CASES if not r.startswith(("warm-", "water-", "gas-", "fit-"))
    }
    assert not set(RAISED) & set(NOT_YET)


@pytest.mark.parametrize("rule_id", sorted(RAISED))
def test_the_rule_is_raised_with_figures_and_words(rule_id: str) -> None:
    r = reported(RAISED[rule_id])
    mine = [f for f in r.findings if f.rule == rule_id]
    assert mine, [f.rule for f in r.findings]
    for f in mine:
        assert f.message, "a message with the figures of its condition"
        assert f.title == RULES[rule_id].title
        assert f.remedy
        assert f.source
        assert f.subject_name
        assert f.severity in SEVERITIES
        assert all(k in r.figures for k in f.figures)
        assert "None" not in f.message
        assert "nan" not in f.message


@pytest.mark.parametrize("rule_id", sorted(RAISED))
def test_a_one_press_remedy_clears_its_finding(rule_id: str) -> None:
    design = made(RAISED[rule_id])
    fixes = [f for f in report(design).findings if f.rule == rule_id and f.fix]
    if not fixes:
        assert rule_id not in {"wire-drop-over-limit", "wire-fuse-above-ampacity", "wire-no-fuse-at-source", "power-charge-below-freezing"}
        return
    f = fixes[0]
    assert f.fix is not None
    after = report(apply_patch(design, f.fix.patch))
    assert f.id not in {x.id for x in after.findings}, f.fix.label
    worse = [x for x in after.findings if x.severity == "danger" and x.id not in {y.id for y in report(design).findings}]
    assert not worse, "a remedy makes no new danger"


def test_a_sound_small_design_has_no_finding_but_notes() -> None:
    feeds = (
        circuit("lamp-feed"),
        circuit("fridge-feed", appliances=["fridge"], area_mm2=4.0, fuse_a=7.5),
        {"id": "shore", "name": "Shore", "kind": "shore", "length_m": 1.5, "area_mm2": 10.0, "fuse_a": 30.0},
    )
    data = wired({**MAIN, "fuse_distance_m": 0.1}, FEEDER, *feeds, appliances=[LAMP, FRIDGE], power={"bank": BANK, "shore": CHARGER})
    data["wiring"]["isolator_a"] = 200.0
    data["vehicle"]["payload_kg"] = 900.0
    assert {f.rule for f in reported(data).findings if f.severity != "note"} <= {"wire-interrupt-too-low"}


def test_an_empty_design_has_no_finding() -> None:
    assert reported(blank()).findings == []


@pytest.mark.parametrize(("by", "told"), [("typed", True), ("proposal", False)])
def test_a_long_thin_cable_to_the_charger(by: str, told: bool) -> None:
    """What Bothy sized itself for a charger that regulates is not held against the tighter advice."""
    cable = {"id": "in", "name": "From the starter", "kind": "driving_in", "length_m": 9.0, "area_mm2": 16.0, "fuse_a": 50.0, "by": by}
    assert ("power-dcdc-input-drop" in found(wired(cable, power={"bank": BANK, "driving": DCDC}))) is told


def test_frost_with_a_cut_off_is_advice_and_with_a_heater_nothing() -> None:
    cut = found(cold({**BANK, "heater_power_w": 0.0}))["power-charge-below-freezing"]
    assert cut.severity == "advice"
    assert "power-charge-below-freezing" not in found(cold(BANK))
    assert found(cold({**BANK, "cold_charge_cutoff": False, "heater_power_w": 0.0}))["power-charge-below-freezing"].severity == "danger"


def test_a_summer_van_in_the_warm_never_freezes() -> None:
    assert "power-charge-below-freezing" not in found(powered(shore=CHARGER))


def test_an_inverter_protection_finding_also_concerns_its_circuit() -> None:
    f = found(on_feed("breaker", 90.0))["power-inverter-breaker-small"]
    assert f.subject == "inverter"
    assert f.related == ["feed"]
    assert f.fix is not None
    assert {"op": "replace", "path": "/wiring/circuits/0/fuse_a", "value": 200.0} in f.fix.patch


def test_a_balance_that_lasts_the_stay_is_advice_and_one_that_does_not_is_a_fault() -> None:
    hungry = [{**LAMP, "power_w": 60.0, "hours_per_day": 12.0}]
    short = found(lived(hungry, {"bank": BANK}, nights_between_hookups=1.0))["power-balance-negative"]
    long = found(lived(hungry, {"bank": BANK}, nights_between_hookups=10.0))["power-balance-negative"]
    assert (short.severity, long.severity) == ("advice", "fault")


def test_dangers_come_first() -> None:
    r = reported(wired(circuit("bare", fuse_a=None, protection="none"), circuit("thin", appliances=["fridge"], length_m=14.0), appliances=[LAMP, FRIDGE]))
    order = [SEVERITIES.index(f.severity) for f in r.findings]
    assert order == sorted(order)
    assert r.findings[0].severity == "danger"


def test_accepting_keeps_the_reason_and_never_silences_a_danger() -> None:
    data = wired(circuit(fuse_a=None, protection="none"), circuit("far", appliances=["fridge"], length_m=12.0, fuse_a=7.5), appliances=[LAMP, FRIDGE])
    ids = [f.id for f in reported(data).findings]
    data["accepted"] = [{"finding": i, "reason": "tested at the bench"} for i in ids]
    r = reported(data)
    assert all(f.accepted == "tested at the bench" for f in r.findings)
    assert r.stages["wiring"].dangers == 1
    assert r.stages["wiring"].faults == 0


@pytest.mark.parametrize(
    ("now", "then", "holds"),
    [
        ("fault", "advice", False),
        ("fault", "fault", True),
        ("fault", "danger", True),
        ("advice", "fault", True),
        ("danger", None, True),
        ("note", "question", True),
    ],
)
def test_an_answer_holds_while_the_finding_is_no_worse(now: Severity, then: Severity | None, holds: bool) -> None:
    kept = [Accepted(finding="x:y", reason="looked at it", severity=then)]
    assert answered(kept, "x:y", now) == ("looked at it" if holds else None)
    assert answered(kept, "x:z", now) is None


def test_a_newer_answer_counts_beside_an_older_one_that_no_longer_holds() -> None:
    older, newer = (Accepted(finding="x:y", reason=r, severity=s) for r, s in (("as advice", "advice"), ("as a fault", "fault")))
    assert answered([older, newer], "x:y", "fault") == "as a fault"


def test_a_rule_id_can_be_registered_once() -> None:
    with pytest.raises(ValueError, match="twice"):
        rule("wire-drop-over-limit", "note", "wiring", Method("wiring.voltage-drop"))


def test_findings_sort_stably() -> None:
    a = finding("wire-not-sized", "a", "A", "This is a whole sentence.")
    b = finding("wire-drop-over-limit", "b", "B", "This is a whole sentence.")
    c = finding("wire-not-sized", "c", "C", "This is a whole sentence.")
    assert [f.subject for f in in_order([a, b, c])] == ["b", "a", "c"]
