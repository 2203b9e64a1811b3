"""Quantities at the edges of what is understood: grouped numbers, compound ones, long texts."""

from __future__ import annotations

import pytest

from bothy.core.units import NotUnderstood, parse, read_number, show


@pytest.mark.parametrize(
    ("text", "value"),
    [
        ("1,234,567", 1234567.0),
        ("1.234.567", 1234567.0),
        ("1.234,5", 1234.5),
        ("12,345.678", 12345.678),
        ("123,456,789", 123456789.0),
        ("1,5", 1.5),
        ("1.5", 1.5),
        ("1.234", 1.234),
        ("12 345,5", 12345.5),
    ],
)
def test_groups_of_three_are_thousands(text: str, value: float) -> None:
    assert read_number(text) == pytest.approx(value, rel=1e-15)


@pytest.mark.parametrize("text", ["1,23,456", "1234,567,890", ",123,456", "1,234,56", "1,2345.6", "1234,567.8", ",123.4", "12,34.5", "1.23.456", "1.2.3"])
def test_what_is_not_grouped_by_three_is_refused(text: str) -> None:
    with pytest.raises(ValueError):
        read_number(text)


@pytest.mark.parametrize(
    ("value", "shown"),
    [(0.0, "0 m"), (0.001, "0.001 m"), (0.00099, "0.00099 m"), (9999999.0, "9 999 999 m"), (1e7, "1e+07 m"), (9999.4, "9 999 m"), (-2500.0, "-2 500 m")],
)
def test_a_number_is_shown_with_four_digits_at_most(value: float, shown: str) -> None:
    assert show(value, "m").replace("\u202f", " ") == shown


@pytest.mark.parametrize(
    ("text", "dimension", "value"),
    [
        ("6 ft 11 in", "length", (6 + 11 / 12) * 0.3048),
        ("-6 ft 3 in", "length", -(6.25) * 0.3048),
        ("0 ft 11.9 in", "length", 11.9 * 0.0254),
        ("2 lb 8 oz", "mass", 2.5 * 0.45359237),
        ("1 h 59 min", "time", 119 / 60),
        ("1 h 30 m", "time", 1.5),
        ("10 AWG", "area", 5.26),
        ("4/0 AWG", "area", 107.2),
    ],
)
def test_compound_quantities_add_up(text: str, dimension: str, value: float) -> None:
    assert parse(text, dimension).value == pytest.approx(value, rel=1e-3)


@pytest.mark.parametrize(
    ("text", "dimension", "says"),
    [
        ("6 ft 12 in", "length", "more than one of them"),
        ("6.5 ft 3 in", "length", "has a part of a ft"),
        ("1 h 60 min", "time", "more than one of them"),
        ("6 ft 3 kg", "length", "unknown part"),
        ("3 in 6 ft", "length", ""),
        ("5 A @ 12 V @ 3", "power", ""),
        ("x" * 40, "length", "“" + "x" * 40 + "”"),
        ("x" * 41, "length", "“" + "x" * 37 + "…”"),
        ("9" * 61, "length", "too long"),
    ],
)
def test_what_adds_up_to_nothing_is_refused_in_words(text: str, dimension: str, says: str) -> None:
    with pytest.raises(NotUnderstood, match=says or None):
        parse(text, dimension)
