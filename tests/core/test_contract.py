"""Every calculator refuses what it can't work with, naming the key, and never with a crash."""

from __future__ import annotations

import copy
import datetime as dt
import json
import math
import uuid
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st
from pydantic import BaseModel, Field, ValidationError

from bothy.core.calculators import CALCULATORS, calculate
from bothy.core.contract import BadInput, in_words, plainly
from tests.core.test_worked_examples import CASES

NAMES = list(CALCULATORS)


def refusal(name: str, data: Any) -> BadInput:
    with pytest.raises(BadInput) as caught:
        calculate(name, data)
    return caught.value


@pytest.mark.parametrize("name", NAMES)
def test_an_unknown_key_is_named(name: str) -> None:
    bad = refusal(name, {**CALCULATORS[name].example, "colour": "red"})
    assert bad.key == "colour"
    assert "colour" in bad.message


@pytest.mark.parametrize("name", NAMES)
def test_null_is_the_same_as_absent(name: str) -> None:
    example = CALCULATORS[name].example
    absent = [k for k in CALCULATORS[name].input.model_fields if k not in example]
    assert calculate(name, {**example, **dict.fromkeys(absent)}).dump() == calculate(name, example).dump()


@pytest.mark.parametrize("name", NAMES)
def test_every_required_key_is_asked_for_by_name(name: str) -> None:
    fields = CALCULATORS[name].input.model_fields
    for key in (k for k, f in fields.items() if f.is_required()):
        data = {k: v for k, v in CALCULATORS[name].example.items() if k != key}
        assert refusal(name, data).key == key


@pytest.mark.parametrize("name", NAMES)
@pytest.mark.parametrize("value", [math.nan, math.inf, -math.inf, True, "twelve", [1], {"a": 1}])
def test_numbers_must_be_finite_numbers(name: str, value: Any) -> None:
    for key, old in CALCULATORS[name].example.items():
        if isinstance(old, (int, float)) and not isinstance(old, bool):
            bad = refusal(name, {**CALCULATORS[name].example, key: value})
            assert bad.key == key
            assert key in bad.message


@pytest.mark.parametrize("name", NAMES)
@pytest.mark.parametrize("data", [None, [], "x", 3, True])
def test_the_input_must_be_an_object(name: str, data: Any) -> None:
    assert refusal(name, data).message


def test_a_path_leads_to_the_leaf() -> None:
    bad = refusal("load-budget", {"season": "winter", "loads": [{"id": "a", "power_w": 5, "hours_per_day": 1}, {"id": "b", "power_w": -1, "hours_per_day": 1}]})
    assert bad.key == "power_w"
    assert bad.message == "loads[1].power_w: must be at least 0"


@pytest.mark.parametrize(
    ("name", "change", "key", "words"),
    [
        ("load-budget", {"season": "monsoon"}, "season", "must be one of"),
        ("load-budget", {"loads": [{"id": "a", "power_w": 5}]}, "hours_per_day", "exactly one"),
        ("load-budget", {"loads": [{"id": "a", "power_w": 5, "current_a": 1, "hours_per_day": 1}]}, "power_w", "exactly one"),
        ("load-budget", {"loads": [{"id": "a", "current_a": 1, "hours_per_day": 1}]}, "voltage_v", "required"),
        ("load-budget", {"loads": [{"id": "a", "power_w": 1, "hours_per_day": 25}]}, "hours_per_day", "at most 24"),
        ("load-budget", {"loads": [{"id": "a", "power_w": 1, "hours_per_day": 1}] * 2}, "id", "twice"),
        ("load-budget", {"loads": [{"id": "a", "energy_24h_wh": 500, "running_power_w": 10}]}, "running_power_w", "less than the label"),
        (
            "load-budget",
            {"loads": [{"id": "a", "power_w": 1, "duty_frac": 0.3, "ambient_dependent": True, "internal_temp_c": 25}]},
            "reference_temp_c",
            "above",
        ),
        ("load-budget", {"loads": [{"id": "a", "power_w": 1, "hours_per_day": 1, "hourly_weights": [0] * 24}]}, "hourly_weights", "must not be all 0"),
        ("inverter-dc-current", {"ac_power_w": 2000, "surge_power_w": 1000}, "surge_power_w", "at least"),
        ("inverter-dc-current", {"ac_power_w": None}, "ac_power_w", "exactly one"),
        ("inverter-size", {"ambient_temp_c": 70, "derate_per_k": 0.05}, "ambient_temp_c", "hot"),
        ("bank-configure", {"link_resistance_mohm": 1e6, "parallel_count": 4}, "link_resistance_mohm", ""),
        ("bank-size", {"daily_energy_wh": 0}, "daily_energy_wh", "more than 0"),
        ("bank-runtime", {"soc_start_frac": 0.2, "soc_end_frac": 0.5}, "soc_end_frac", "below"),
        ("bank-runtime", {"load_current_a": 3}, "load_power_w", "exactly one"),
        ("solar-string", {"strings": []}, "strings", "at least 1"),
        ("solar-yield-simple", {"controller_type": "pwm"}, "panel_vmp_v", "required"),
        ("dcdc-size", {"cable_length_m": 5}, "cable_area_mm2", "required"),
        ("shore-charge-time", {"soc_start_frac": 0.9, "soc_target_frac": 0.5}, "soc_target_frac", "above"),
        ("conductor-resistance", {"area_mm2": 400}, "area_mm2", "at most 120"),
        ("conductor-resistance", {"awg": "6"}, "awg", "not both"),
        ("conductor-ampacity", {"ambient_temp_c": 95}, "ambient_temp_c", "below"),
        ("voltage-drop", {"current_a": 5000, "length_m": 900}, "current_a", "uses up"),
        ("voltage-drop", {"current_a": None, "power_w": 3000, "length_m": 900}, "power_w", "voltage collapse"),
        ("wire-size", {"fuse_a": 3}, "fuse_a", "at least the current"),
        ("wire-size", {"current_a": 0}, "current_a", "more than 0"),
        ("fuse-select", {"inrush_current_a": 30}, "inrush_time_s", "required"),
        ("fuse-select", {"families": ["teapot"]}, "families", "must be one of"),
        ("expected-load-voltage", {"segments": [{"length_m": 1, "area_mm2": 1}]}, "segments", "exactly one"),
        ("expected-load-voltage", {"power_w": 9000, "loop_resistance_mohm": 500}, "power_w", "voltage collapse"),
        ("verdict", {"tolerance_frac": None}, "tolerance_frac", "required"),
        ("verdict", {"limit_low": 6, "limit_high": 5}, "limit_high", "at least"),
    ],
)
def test_what_is_wrong_is_named_with_what_would_be_right(name: str, change: dict[str, Any], key: str, words: str) -> None:
    data = {k: v for k, v in {**copy.deepcopy(CALCULATORS[name].example), **change}.items() if v is not None}
    bad = refusal(name, data)
    assert bad.key == key, bad.message
    assert words in bad.message


def test_an_unknown_calculator_lists_the_names() -> None:
    bad = refusal("tea-strength", {})
    assert bad.key == "calc"
    assert "load-budget" in bad.message


def test_whole_numbers_may_be_written_with_a_point() -> None:
    out = calculate("bank-configure", {**CALCULATORS["bank-configure"].example, "parallel_count": 2.0})
    assert out.dump() == calculate("bank-configure", CALCULATORS["bank-configure"].example).dump()
    assert refusal("bank-configure", {**CALCULATORS["bank-configure"].example, "parallel_count": 2.5}).key == "parallel_count"


def test_counts_come_out_as_whole_numbers() -> None:
    out = calculate("bank-configure", CALCULATORS["bank-configure"].example).dump()
    assert isinstance(out["units_count"], int)
    assert isinstance(calculate("circuit-split", CALCULATORS["circuit-split"].example).dump()["circuit_count"], int)


@pytest.mark.parametrize("name", NAMES)
def test_every_number_of_an_answer_opens_its_working(name: str) -> None:
    for example in [CALCULATORS[name].example, *(c["input"] for n, _, c in CASES if n == name)]:
        out = calculate(name, example)
        flat = {
            k: v
            for key, value in out.dump().items()
            for k, v in ({f"{key}/{e}": x for e, x in value.items()} if isinstance(value, dict) else {key: value}).items()
        }
        for key, value in flat.items():
            if isinstance(value, (int, float)) and not isinstance(value, bool):
                figure = out.working.get(key)
                assert figure is not None, f"{name}.{key} has no working"
                assert figure.expression or figure.note or figure.origin in ("input", "default"), f"{name}.{key} says nothing"


@pytest.mark.parametrize("name", NAMES)
def test_the_same_input_gives_the_same_output_to_the_last_bit(name: str) -> None:
    first = json.dumps(calculate(name, CALCULATORS[name].example).dump())
    assert all(json.dumps(calculate(name, copy.deepcopy(CALCULATORS[name].example)).dump()) == first for _ in range(3))


JSON = st.recursive(st.none() | st.booleans() | st.floats() | st.integers(-5, 5) | st.text(max_size=8), lambda x: st.lists(x, max_size=3), max_leaves=4)


@settings(max_examples=150, suppress_health_check=[HealthCheck.too_slow], deadline=None)
@given(st.sampled_from(CASES), st.data())
def test_a_damaged_input_is_answered_or_refused_never_a_crash(case: tuple[str, int, dict[str, Any]], data: st.DataObject) -> None:
    name, _, example = case
    damaged = copy.deepcopy(example["input"])
    key = data.draw(st.sampled_from(sorted(CALCULATORS[name].input.model_fields)))
    damaged[key] = data.draw(JSON)
    try:
        out = calculate(name, damaged).dump()
    except BadInput as bad:
        assert bad.key
        assert bad.message
    else:
        json.dumps(out, allow_nan=False)


def test_a_refusal_is_said_plainly_to_people() -> None:
    assert BadInput("cut_out_kpa", "must be more than the cut-in pressure (cut_in_kpa: 140)", "water.pump.cut_out_kpa").plainly == (
        "Cut-out pressure must be more than the cut-in pressure (140)"
    )
    assert BadInput("heat_input_w", "give the heat put in (heat_input_w) or the flow (flow_kg_h)").plainly == "Heat put in: give the heat put in or the flow"
    assert BadInput("“”", "is no key").plainly == "“”: is no key"
    assert BadInput("capacity_kg", "must be at least 0.01", "gas.vessels[0].capacity_kg").plainly == "Capacity must be at least 0.01"
    assert BadInput("name", "is required").plainly == "Name is required"
    assert BadInput("people", "must be at least 1", "life.people").plainly == "People must be at least 1"
    assert plainly("path", "there is nothing at this address") == "there is nothing at this address"
    assert plainly("server", "The disk is full: nothing more can be saved.") == "The disk is full: nothing more can be saved."
    in_a_file = "variants[0].design.life.people: must be at least 1"
    assert plainly("people", in_a_file) == in_a_file, "there the path is the place to look at"


class Loose(BaseModel):
    """What a request may hold, as the framework reads it: texts of numbers, ids and days."""

    count: int = 1
    share: float = 1.0
    on: bool = False
    id: uuid.UUID | None = None
    day: dt.date | None = None
    word: str = Field("abc", pattern="^[a-z]+$", min_length=1, max_length=5)


@pytest.mark.parametrize(
    ("field", "value", "words"),
    [
        ("count", "two", "must be a whole number"),
        ("count", 1.5, "must be a whole number"),
        ("share", "half", "must be a number"),
        ("on", "perhaps", "must be true or false"),
        ("id", "x", "must be an id"),
        ("day", "soon", "must be a day as 2027-05-01"),
        ("word", "ABC", "not written as it should be"),
        ("word", "", "must have at least 1 character"),
        ("word", "abcdef", "at most 5 characters"),
    ],
)
def test_what_the_framework_refuses_is_said_in_our_words(field: str, value: Any, words: str) -> None:
    with pytest.raises(ValidationError) as found:
        Loose.model_validate({field: value})
    said = in_words(found.value.errors()[0])  # type: ignore[arg-type]
    assert words in said
    assert "Input" not in said
