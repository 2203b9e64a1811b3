"""Figures remember how they came about."""

from __future__ import annotations

import pytest

from bothy.core.book import Book
from bothy.core.figure import Figure, derived, formula, given, label_of, pick, total, unit_of
from bothy.core.method.sources import OwnChoice


@formula("Power", "P = U·I", unit="W", source=OwnChoice("definition"))
def power(voltage_v: float, current_a: float) -> float:
    return voltage_v * current_a


@formula("Energy", "E = P·t", unit="Wh", source=OwnChoice("definition"))
def energy(power_w: float, time_h: float) -> float:
    return power_w * time_h


def test_a_formula_called_raw_is_the_bare_function() -> None:
    assert power.raw(12, 5) == 60
    assert power.__name__ == "power"


def test_a_formula_called_with_numbers_yields_a_figure_with_its_inputs() -> None:
    f = power(12, 5)
    assert (f.value, f.unit, f.label, f.expression) == (60, "W", "Power", "P = U·I")
    assert [(n, i.value, i.unit) for n, i in f.inputs] == [("voltage_v", 12, "V"), ("current_a", 5, "A")]


def test_keywords_and_positions_are_the_same() -> None:
    assert power(12, current_a=5).value == power(12, 5).value == power(voltage_v=12, current_a=5).value
    assert [n for n, _ in power(current_a=5, voltage_v=12).inputs] == ["voltage_v", "current_a"]


def test_a_missing_argument_is_an_error() -> None:
    with pytest.raises((TypeError, ValueError)):
        power(12)  # type: ignore[call-arg]


def test_figures_link_back_to_what_was_typed() -> None:
    typed = given("voltage_v", 12, "typed", "12 V on the label")
    whole = energy(power(typed, 5), 2)
    inner = dict(whole.inputs)["power_w"]
    assert dict(inner.inputs)["voltage_v"] is typed
    assert typed.note == "12 V on the label"
    assert float(whole) == 120


def test_named_keeps_the_working() -> None:
    f = power(12, 5).named("Lamp")
    assert f.label == "Lamp"
    assert f.expression == "P = U·I"
    assert len(f.inputs) == 2


def test_sums_choices_and_derived_values_name_their_parts() -> None:
    whole = total("All", "W", [("lamp", power(12, 1)), ("fan", power(12, 2))], OwnChoice("sum"))
    assert whole.value == 36
    assert [n for n, _ in whole.inputs] == ["lamp", "fan"]
    best = pick("Fuse", "next size", 7.5, "A", "table", need_a=6.1)
    assert best.value == 7.5
    assert best.inputs[0][1].unit == "A"
    part = derived("cover_frac", "a/b", 0.5, "definition", supply_wh=1, demand_wh=2)
    assert (part.unit, part.label) == ("%", "share that is covered")


@pytest.mark.parametrize(
    ("key", "unit", "label"),
    [
        ("current_a", "A", "current"),
        ("bank_min_voltage_v", "V", "lowest voltage of the battery bank"),
        ("unit_resistance_20c_mohm_per_m", "mΩ/m", "resistance of a metre at 20 °C"),
        ("irradiance_w_m2", "W/m²", "light on the panel"),
        ("covered_frac", "%", "share of the need that is covered"),
        ("units_count", "", "number of batteries"),
        ("rules", "", "rules"),
        ("sd_2_m", "m", "vapour resistance as metres of air, 2"),
        ("Hob, two burners_g_day", "g", "Hob, two burners"),
        ("max_discharge_c_per_h", "1/h", "highest discharge rate"),
    ],
)
def test_a_key_gives_unit_and_label(key: str, unit: str, label: str) -> None:
    assert unit_of(key) == unit
    assert label_of(key) == label


def test_the_book_links_inputs_that_have_their_own_working() -> None:
    book = Book()
    watts = book.put("life/winter/peak_power_w", power(12, 5))
    book.put("life/winter/energy_wh", energy(watts, 2))
    inputs = {i["name"]: i for i in book.working("life/winter/energy_wh")["life/winter/energy_wh"]["inputs"]}
    assert inputs["power_w"]["key"] == "life/winter/peak_power_w"
    assert inputs["time_h"]["key"] is None


def test_the_book_registers_deep_figures_under_their_path() -> None:
    book = Book()
    book.put("life/winter/energy_wh", energy(power(12, 5), 2))
    assert list(book.shown()) == ["life/winter/energy_wh"]
    working = book.working("life/winter/energy_wh")
    assert working["life/winter/energy_wh~power_w"]["value"] == 60
    assert working["life/winter/energy_wh"]["inputs"][0]["key"] == "life/winter/energy_wh~power_w"
    with pytest.raises(KeyError):
        book.working("life/winter/peak_power_w")


def test_the_same_figure_under_two_keys_is_linked_to_the_first() -> None:
    book = Book()
    f = power(12, 5)
    book.put("vehicle/payload_kg", f)
    book.put("vehicle/loaded_kg", f)
    book.put("power/mass_kg", energy(f, 1))
    assert book.working("power/mass_kg")["power/mass_kg"]["inputs"][0]["key"] == "vehicle/payload_kg"
    assert book.all_workings() == {**book.working("vehicle/payload_kg"), **book.working("vehicle/loaded_kg"), **book.working("power/mass_kg")}


def test_a_figure_says_what_it_is() -> None:
    assert "Power" in repr(power(12, 5))
    assert isinstance(given("power_w", 3), Figure)
