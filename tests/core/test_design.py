"""The design document: limits, links, edits by JSON Patch, and what a proposal may touch."""

from __future__ import annotations

import copy
import json
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.design.document import SCHEMA_VERSION, Design, load_design
from bothy.core.design.edit import MAX_OPERATIONS, PathGone, apply_patch, changed_paths
from bothy.core.design.life import Appliance, Window, weights
from tests.designs import FRIDGE, LAMP, circuit, lived, made, wired


def refused(data: dict[str, Any]) -> BadInput:
    with pytest.raises(BadInput) as caught:
        load_design(data)
    return caught.value


def replace(path: str, value: Any) -> list[dict[str, Any]]:
    return [{"op": "replace", "path": path, "value": value}]


def test_a_document_comes_back_exactly(curlew_data: dict[str, Any]) -> None:
    again = load_design(json.loads(json.dumps(curlew_data)))
    assert again.model_dump(mode="json") == curlew_data


@pytest.mark.parametrize(
    ("change", "key", "words"),
    [
        ({"schema_version": 99}, "schema_version", "newer Bothy"),
        ({"schema_version": 0}, "schema_version", "ever wrote"),
        ({"schema_version": "1"}, "schema_version", "whole number"),
        ({"schema_version": True}, "schema_version", "whole number"),
        ({"region": "mars"}, "region", "must be one of"),
        ({"colour": "green"}, "colour", "not a known key"),
        ({"vehicle": {"preset": "rocket"}}, "preset", "must be one of"),
        ({"vehicle": {"inside_length_m": 900}}, "inside_length_m", "at most 25"),
        ({"vehicle": {"payload_kg": -1}}, "payload_kg", "at least 0"),
        ({"life": {"from_month": 13}}, "from_month", "at most 12"),
        ({"life": {"people": 0}}, "people", "at least 1"),
        ({"life": {"place": "no such place!"}}, "place", ""),
        ({"life": {"appliances": [{**LAMP, "power_w": 40000.0}]}}, "power_w", "at most 15000"),
        ({"life": {"appliances": [{**LAMP, "power_w": -5.0}]}}, "power_w", "at least 0"),
        ({"life": {"appliances": [{**LAMP, "name": ""}]}}, "name", "at least 1"),
        ({"life": {"appliances": [{**LAMP, "name": "x" * 10000}]}}, "name", "at most 120"),
        ({"life": {"appliances": [{**LAMP, "hours_per_day": 25.0}]}}, "hours_per_day", "at most 24"),
        ({"life": {"appliances": [LAMP, LAMP]}}, "id", "twice"),
        ({"life": {"appliances": [{**LAMP, "duty_frac": 0.5}]}}, "hours_per_day", "one of"),
        ({"life": {"appliances": [{**LAMP, "energy_24h_wh": 50.0}]}}, "power_w", "one of"),
        ({"life": {"appliances": [{**LAMP, "power_w": None, "current_a": 3.0}]}}, "voltage_v", "5 A @ 12 V"),
        ({"life": {"appliances": [{**LAMP, "ambient_dependent": True}]}}, "ambient_dependent", "goes only"),
        ({"life": {"appliances": [{**LAMP, "windows": [{"from_h": 25, "to_h": 3}]}]}}, "from_h", "at most 24"),
        ({"power": {"system_voltage_v": 36}}, "system_voltage_v", "12, 24 or 48"),
        ({"power": {"bank": {"chemistry": "agm", "unit_voltage_v": 12.0, "unit_charge_ah": 0}}}, "unit_charge_ah", "at least"),
        ({"power": {"inverter": {"rating_w": 500.0, "mode": "scheduled"}}}, "on_h", "required"),
        ({"power": {"arrays": [{"id": "a", "panel_power_w": 100.0, "vmp_v": 22.0, "imp_a": 5.0, "voc_v": 20.0, "isc_a": 6.0}]}}, "vmp_v", "below"),
        ({"power": {"arrays": [{"id": "a", "panel_power_w": 100.0, "vmp_v": 18.0, "imp_a": 7.0, "voc_v": 22.0, "isc_a": 6.0}]}}, "imp_a", "below"),
        ({"wiring": {"circuits": [{"id": "c", "name": "c", "length_m": 900}]}}, "length_m", "at most 100"),
        ({"wiring": {"circuits": [{"id": "c", "name": "c", "length_m": 0}]}}, "length_m", "at least"),
        ({"wiring": {"circuits": [{"id": "c", "name": "c", "area_mm2": 6.0, "awg": "10"}]}}, "awg", "not both"),
        ({"wiring": {"circuits": [{"id": "c", "name": "c", "board": "nowhere"}]}}, "board", "does not exist"),
        ({"wiring": {"circuits": [{"id": "c", "name": "c", "appliances": ["ghost"]}]}}, "appliances", "does not exist"),
        ({"wiring": {"circuits": [{"id": "c", "name": "c"}, {"id": "c", "name": "d"}]}}, "id", "twice"),
        ({"wiring": {"circuits": [{"id": "C 1", "name": "c"}]}}, "id", ""),
        ({"wiring": {"boards": [{"id": "b", "name": "b", "letter": "AA"}]}}, "letter", ""),
        ({"accepted": [{"finding": "x", "reason": "ok"}]}, "reason", "at least 3"),
    ],
)
def test_what_is_out_of_bounds_is_named(change: dict[str, Any], key: str, words: str) -> None:
    bad = refused({"schema_version": 1, **copy.deepcopy(change)})
    assert bad.key == key, bad.message
    assert words in bad.message


@pytest.mark.parametrize("data", [None, [], "design", 3])
def test_a_design_must_be_an_object(data: Any) -> None:
    with pytest.raises(BadInput):
        load_design(data)


def test_a_design_without_a_version_is_refused() -> None:
    assert refused({}).key == "schema_version"
    assert SCHEMA_VERSION == 3


def test_an_edit_changes_what_it_names_and_nothing_else(curlew_data: dict[str, Any]) -> None:
    before = load_design(curlew_data)
    after = apply_patch(before, replace("/life/people", 3))
    assert after.life.people == 3
    assert before.life.people == 2, "the old design is untouched"
    assert changed_paths(before.model_dump(mode="json"), after.model_dump(mode="json")) == ["/life/people"]


@pytest.mark.parametrize(
    ("ops", "key"),
    [
        (replace("/life/people", -1), "people"),
        (replace("/life/people", "two"), "people"),
        (replace("/life/appliances/0/power_w", 40000.0), "power_w"),
        (replace("/region", "mars"), "region"),
        (replace("/life/people", 3) + replace("/region", "mars"), "region"),
        ([{"op": "remove", "path": "/life/appliances/0"}], "appliances"),
    ],
)
def test_an_edit_that_does_not_hold_is_refused_whole(curlew_data: dict[str, Any], ops: list[dict[str, Any]], key: str) -> None:
    before = load_design(curlew_data)
    with pytest.raises(BadInput) as caught:
        apply_patch(before, ops)
    assert caught.value.key == key
    assert before.model_dump(mode="json") == curlew_data


@pytest.mark.parametrize(
    "ops",
    [
        replace("/life/appliances/999/name", "x"),
        replace("/nowhere", 1),
        [{"op": "remove", "path": "/life/appliances/999"}],
        [{"op": "test", "path": "/life/people", "value": 7}],
        [{"op": "move", "from": "/life/appliances/99", "path": "/life/appliances/0"}],
        [{"op": "add", "path": "life/people", "value": 1}],
    ],
)
def test_a_patch_whose_place_is_gone_says_so(ops: list[dict[str, Any]]) -> None:
    with pytest.raises(BadInput) as caught:
        apply_patch(made(lived()), ops)
    assert isinstance(caught.value, PathGone) or caught.value.key == "nowhere"


def test_an_edit_has_a_largest_size() -> None:
    with pytest.raises(BadInput, match="at most"):
        apply_patch(made(lived()), replace("/life/people", 2) * (MAX_OPERATIONS + 1))


def test_changing_a_proposed_item_makes_it_typed() -> None:
    design = made(wired(circuit(by="proposal")))
    touched = apply_patch(design, replace("/wiring/circuits/0/length_m", 5.0))
    assert touched.wiring.circuits[0].by == "typed"
    by_proposal = apply_patch(design, replace("/wiring/circuits/0/length_m", 5.0), by_proposal=True)
    assert by_proposal.wiring.circuits[0].by == "proposal"
    elsewhere = apply_patch(design, replace("/life/people", 4))
    assert elsewhere.wiring.circuits[0].by == "proposal"


def test_changed_paths_name_items_by_their_id() -> None:
    old = made(lived([LAMP, FRIDGE])).model_dump(mode="json")
    new = copy.deepcopy(old)
    new["life"]["appliances"].reverse()
    new["life"]["appliances"][1]["power_w"] = 20.0
    assert changed_paths(old, new) == ["/life/appliances/lamp/power_w"]
    del new["life"]["appliances"][0]
    assert "/life/appliances/fridge" in changed_paths(old, new)


@settings(deadline=None)
@given(st.permutations(["people", "nights_between_hookups", "drive_h_per_day"]), st.integers(1, 10))
def test_edits_of_different_fields_commute(order: list[str], n: int) -> None:
    design = made(lived())
    values = {"people": n, "nights_between_hookups": float(n), "drive_h_per_day": float(n)}
    for field in order:
        design = apply_patch(design, replace(f"/life/{field}", values[field]))
    assert (design.life.people, design.life.nights_between_hookups, design.life.drive_h_per_day) == (n, n, n)


def test_designs_are_looked_up_by_id() -> None:
    design = made(wired(circuit()))
    assert design.appliance("lamp") is not None
    assert design.circuit("c1") is not None
    assert design.appliance("ghost") is None
    assert design.circuit("ghost") is None


@pytest.mark.parametrize(
    ("window", "hours", "inside"),
    [((7, 9), 2, {7, 8}), ((22, 2), 4, {22, 23, 0, 1}), ((0, 24), 24, set(range(24))), ((6.5, 7.5), 1, {6, 7}), ((5, 5), 24, set(range(24)))],
)
def test_windows_spread_over_the_hours(window: tuple[float, float], hours: float, inside: set[int]) -> None:
    w = Window(from_h=window[0], to_h=window[1])
    assert w.hours == hours
    spread = weights([w])
    assert spread is not None
    assert sum(spread) == pytest.approx(hours)
    assert {i for i, x in enumerate(spread) if x > 0} == inside


def test_no_window_is_any_time() -> None:
    assert weights([]) is None


@pytest.mark.parametrize(
    ("fields", "watts"),
    [
        ({"power_w": 60.0, "hours_per_day": 1.0}, 60),
        ({"current_a": 5.0, "voltage_v": 12.0, "hours_per_day": 1.0}, 60),
        ({"energy_24h_wh": 400.0}, 50),
        ({"charge_energy_wh": 60.0}, 30),
        ({"charge_energy_wh": 60.0, "running_power_w": 45.0}, 45),
    ],
)
def test_running_power_in_every_form(fields: dict[str, Any], watts: float) -> None:
    a = Appliance.model_validate({"id": "x", "name": "x", **fields})
    assert a.running_w == pytest.approx(watts)
    assert a.load.id == "x"
    assert "running_w" not in a.model_dump()


def test_the_default_design_is_empty_and_valid() -> None:
    assert load_design(Design().model_dump(mode="json")) == Design()


def test_a_document_of_version_2_gives_its_prices_the_regions_currency() -> None:
    own = {
        "id": "x",
        "kind": "battery",
        "name": "X",
        "price_eur": 400.0,
        "mass_kg": 12.0,
        "chemistry": "lifepo4",
        "unit_voltage_v": 12.8,
        "unit_charge_ah": 100.0,
    }
    design = load_design({"schema_version": 2, "region": "us", "sizing": {"budget_eur": 3000.0, "own": [own]}})
    assert design.sizing.budget == 3000.0
    assert design.sizing.own[0].price == 400.0
    assert design.schema_version == SCHEMA_VERSION
    assert refused({"schema_version": 3, "sizing": {"budget_eur": 3000.0}}).key == "budget_eur"


def test_a_key_of_no_letters_is_named_too() -> None:
    assert refused({"schema_version": SCHEMA_VERSION, "life": {"": 3}}).key == "“”"
