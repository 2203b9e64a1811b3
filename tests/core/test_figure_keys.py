"""Keys of figures: the table knows them all, a slip is refused here and logged elsewhere."""

from __future__ import annotations

import logging

import pytest

from bothy.core import figure_keys
from bothy.core.book import Book
from bothy.core.calculators import worked_answer
from bothy.core.figure import given
from bothy.core.figure_keys import UnknownFigure, known, shapes, typescript
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
