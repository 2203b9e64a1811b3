"""Keys of figures: the table knows them all, a slip is refused here and logged elsewhere."""

from __future__ import annotations

import logging

import pytest

from bothy.core import figure_keys
from bothy.core.book import Book
from bothy.core.calculators import CALCULATORS, worked_answer
from bothy.core.figure import given
from bothy.core.figure_keys import HEAT_W, OPENING_MM2, UnknownFigure, known, read_unit, shapes, typescript
from bothy.core.finding import Finding
from bothy.core.report import report
from bothy.demo.load import DEMOS, demo_of


@pytest.mark.parametrize(
    "key", ["circuits/lamp/drop_v", "network/board:house/fault_a", "power/string_two/isc_a", "life/winter/energy_wh", "circuits/lamp/drop_v~length_m"]
)
def test_a_key_of_the_table_is_known(key: str) -> None:
    assert known(key)


@pytest.mark.parametrize("key", ["circuits/lamp/drop", "circuit/lamp/drop_v", "circuits/lamp/x/drop_v", "circuits/drop_v", "", "power/bank"])
def test_a_slip_raises_in_the_tests_and_is_logged_elsewhere(key: str, monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture) -> None:
    figure = given("length_m", 1.0)
    with pytest.raises(UnknownFigure, match="belongs into"):
        Book().put(key, figure)
    monkeypatch.setattr(figure_keys, "strict", False)
    with caplog.at_level(logging.ERROR):
        assert Book().put(key, figure) is figure
    assert f"no figure has a key like {key}" in caplog.text


@pytest.mark.parametrize("demo", list(DEMOS))
def test_findings_open_figures_that_are_there(demo: str) -> None:
    made = report(*(lambda one, facts: (one.design, facts))(*demo_of(DEMOS[demo])))
    missing = [(f.id, k) for f in made.findings if isinstance(f, Finding) for k in f.figures if k not in made.figures]
    assert made.findings
    assert not missing


def test_the_front_end_has_each_of_them_as_a_type() -> None:
    text = typescript()
    assert text.count("\n  | ") == sum(len(names) for names in shapes().values())
    assert "  | `circuits/${string}/drop_v`\n" in text


def test_a_sum_by_itself_names_its_figures_as_its_contract_does() -> None:
    output, workings = worked_answer("voltage-drop", {"current_a": 6, "length_m": 5, "area_mm2": 2.5})
    assert "drop_v" in output
    assert workings["drop_v"]["value"] == output["drop_v"]


@pytest.mark.parametrize(
    "key",
    [
        "warmth/heat_loss_w",
        "heaters/h1/needed_w",
        "ducts/cab/delivered_w",
        "cool/total_w",
        "bays/grey/heat_needed_w",
        "water/shower_heat_w",
        "warmth/x~net_heat_w",
    ],
)
def test_watts_of_heat_are_told_from_watts_of_electricity(key: str) -> None:
    assert read_unit(key, "W") == HEAT_W


@pytest.mark.parametrize(
    "key", ["cool/run_power_w", "cool/battery_draw_w", "vents/v1/fan_power_w", "heaters/h/electrical_w", "circuits/c1/heat_w", "life/w/power_w"]
)
def test_watts_of_electricity_stay_watts(key: str) -> None:
    assert read_unit(key, "W") == "W"


def test_openings_are_told_from_copper() -> None:
    assert [read_unit(k, "mm²") for k in ("gas/locker_low_mm2", "air/gas/high_area_mm2", "cabinets/tall/vent_area_each_mm2")] == [OPENING_MM2] * 3
    assert read_unit("circuits/c1/best_area_mm2", "mm²") == "mm²"
    assert read_unit("warmth/ua_w_k", "W/K") == "W/K", "one unit has nothing to be told from"


def test_figures_say_what_their_unit_is_of() -> None:
    """As they are sent: on the bench, and as inputs of a working."""
    one, facts = demo_of(DEMOS["curlew"])
    made = report(one.design, facts)
    units = {made.figures[k]["unit"] for k in ("warmth/heat_loss_w", "gas/locker_low_mm2")}
    assert units == {HEAT_W, OPENING_MM2}
    inputs = made.working("warmth/heat_loss_w")["warmth/heat_loss_w"]["inputs"]
    assert {i["unit"] for i in inputs} & {"W"} == set()


def test_a_sums_working_has_the_units_of_its_answer() -> None:
    _, working = worked_answer("heat-loss", CALCULATORS["heat-loss"].example)
    assert working["heat_loss_w"]["unit"] == HEAT_W
    assert {i["unit"] for i in working["heat_loss_w"]["inputs"]} == {HEAT_W}
    _, electric = worked_answer("shore-charge-time", CALCULATORS["shore-charge-time"].example)
    assert electric["charger_ac_power_w"]["unit"] == "W"
