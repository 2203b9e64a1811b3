"""The numbers of a message open to their working."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.cited import cite, items_of
from bothy.core.figure import Figure, formula, given
from bothy.core.finding import finding
from bothy.core.method.sources import Method
from bothy.core.report import report
from bothy.demo import curlew, fiddlehead, saltbush
from tests.core.test_remedies import DESIGNS
from tests.designs import made

OWN_MESSAGES = True


@formula("Power", "U·I", unit="W", source=Method("wiring.voltage-drop"))
def power(current_a: float, voltage_v: float) -> float:
    return current_a * voltage_v


def cited(message: str, figures: dict[str, Figure], named: list[str] | None = None) -> list[str]:
    f = finding("wire-fuse-above-ampacity", "c1", "Lamp", message, figures=named)
    cite([f], figures)
    return f.figures


C1 = {
    "circuits/c1/current_a": given("current_a", 16.24),
    "circuits/c1/drop_frac": given("drop_frac", 0.0583),
    "circuits/c1/length_m": given("length_m", 0.6),
    "circuits/c2/current_a": given("current_a", 9.6),
    "network/busbar/fault_a": given("fault_a", 19_560.0),
    "power/winter/demand_wh": given("daily_wh", 1234.0),
}


@pytest.mark.parametrize(
    ("message", "keys"),
    [
        ("16.2 A flow; it carries 14.0 A.", ["circuits/c1/current_a"]),
        ("5.8% are lost.", ["circuits/c1/drop_frac"]),
        ("600 mm of cable, 60 cm of it bare.", ["circuits/c1/length_m"]),
        ("A dead short draws 19.6 kA.", ["network/busbar/fault_a"]),
        ("16.3 A flow.", []),  # not what the figure rounds to
        ("9.6 A flow.", []),  # another circuit's
        ("1 234 Wh a day.", []),  # another stage's
        ("16.2 V arrive.", []),  # another unit
        ("It has no fuse.", []),
    ],
)
def test_numbers_find_the_figures_of_their_subject(message: str, keys: list[str]) -> None:
    assert cited(message, C1) == keys


def test_what_a_rule_names_stands_first_and_what_is_not_there_goes() -> None:
    assert cited("16.2 A flow.", C1, ["power/winter/demand_wh", "mains/limit_a"]) == ["power/winter/demand_wh", "circuits/c1/current_a"]


def test_what_was_given_for_a_figure_opens_where_it_says_whence() -> None:
    lost = power(given("current_a", 8.0, "typed", "as typed"), given("voltage_v", 12.0))
    book = {"circuits/c1/loss_w": lost}
    f = finding("wire-fuse-above-ampacity", "c1", "Lamp", "8.0 A flow at 12 V.")
    cite([f], book)
    assert f.figures == ["circuits/c1/loss_w~current_a"]
    assert book["circuits/c1/loss_w~current_a"].note == "as typed"


def test_what_was_typed_of_the_item_opens_too() -> None:
    design = curlew.design()
    circuit = design.wiring.circuits[3]
    book: dict[str, Figure] = {}
    f = finding("wire-fuse-above-ampacity", circuit.id, circuit.name, f"It has {circuit.fuse_a:g} A.")
    cite([f], book, items_of(design))
    assert f.figures == [f"typed/{circuit.id}~fuse_a"]
    assert book[f.figures[0]].value == circuit.fuse_a


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_each_figure_of_a_finding_has_a_working(demo: Any) -> None:
    r = report(demo.design())
    keys = [k for f in r.findings for k in f.figures]
    assert len(keys) >= 5
    for key in keys:
        assert r.working(key)[key]["value"] == r.figures[key]["value"]


@pytest.mark.parametrize(
    ("case", "rule", "value"),
    [
        ("test_rules:wire-over-ampacity", "wire-over-ampacity", "current_a"),
        ("test_rules:power-bank-discharge-limit", "power-bank-discharge-limit", "max_discharge_a"),
    ],
)
def test_rules_that_name_no_figure_have_them_all_the_same(case: str, rule: str, value: str) -> None:
    f = next(f for f in report(made(DESIGNS[case])).findings if f.rule == rule)
    assert any(k.endswith(value) for k in f.figures), f.figures
