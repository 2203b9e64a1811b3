"""Quantities as people write them."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core.units import AWG_NUMBER, EXAMPLES, SI_UNIT, UNITS, NotUnderstood, awg_area_mm2, parse, read_number, show

UNDERSTOOD = [
    ("60 W", "power", 60.0),
    ("60", "power", 60.0),
    ("1.2 kW", "power", 1200.0),
    ("1,2 kW", "power", 1200.0),
    ("5A @ 12V", "power", 60.0),
    ("5 A @ 12 V", "power", 60.0),
    ("1 hp", "power", 745.7),
    ("350 mA", "current", 0.35),
    ("12", "voltage", 12.0),
    ("1 kWh", "energy", 1000.0),
    ("24 Ah @ 12 V", "energy", 288.0),
    ("2500 mAh", "charge", 2.5),
    ("3/4 in", "length", 0.01905),
    ("1 1/2 in", "length", 0.0381),
    ("11 ft", "length", 3.3528),
    ("350 cm", "length", 3.5),
    ('5"', "length", 0.127),
    ("6 mm2", "area", 6.0),
    ("6 mm²", "area", 6.0),
    ("26 lb", "mass", 11.793401620),
    ("20 min", "time", 1 / 3),
    ("1h30", "time", 1.5),
    ("90 s", "time", 0.025),
    ("42 gal", "volume", 158.98729493),
    ("10 L/min", "flow", 10.0),
    ("68 °F", "temperature", 20.0),
    ("-10 C", "temperature", -10.0),
    ("−10 °C", "temperature", -10.0),
    ("30 %", "fraction", 0.3),
    ("0.3", "fraction", 0.3),
    ("0.2 ohm", "resistance", 200.0),
    ("30 MΩ", "resistance", 3e10),
    ("30 mΩ", "resistance", 30.0),
    ("30 Mohm", "resistance", 3e10),
    ("2 M\u2126", "resistance", 2e9),
    ("470 kohm", "resistance", 4.7e8),
    ("OL", "resistance", 1e12),
    ("40 ms", "time", 0.04 / 3600),
    ("2 x", "count", 2.0),
    ("1 234,5 W", "power", 1234.5),
    ("1,234.5 W", "power", 1234.5),
    ("1'234 W", "power", 1234.0),
    (".5 kW", "power", 500.0),
    ("2,000", "power", 2000.0),
    ("2,000 W", "power", 2000.0),
    ("0,250 m", "length", 0.25),
    ("12,50 A", "current", 12.5),
    ("6'6\"", "length", 1.9812),
    ("6′ 6″", "length", 1.9812),
    ("6’ 6”", "length", 1.9812),
    ("6 ft 6 in", "length", 1.9812),
    ("6ft6", "length", 1.9812),
    ("6'6", "length", 1.9812),
    ("6' 6 1/2\"", "length", 1.9939),
    ("6½ in", "length", 0.1651),
    ("1-1/2 in", "length", 0.0381),
    ("3 m 20", "length", 3.2),
    ("5 lb 3 oz", "mass", 2.35301041),
    ("1 h 30 min", "time", 1.5),
    ("1h30m", "time", 1.5),
    ("– 5 °C", "temperature", -5.0),
]

REFUSED = [
    ("", "power", "is empty"),
    ("   ", "power", "is empty"),
    ("sixty watts", "power", "has no number"),
    ("60 A", "power", "is a current, not a power"),
    ("12 V", "current", "is a voltage"),
    ("60 zorks", "power", "unknown unit"),
    ("60 W 5", "power", "unknown unit"),
    ("5 A @ 12 A", "power", "not a voltage"),
    ("5 W @ 12 V", "power", "not a current"),
    ("1/0 in", "length", "is not a number"),
    ("9 AWG", "area", "is not an AWG size"),
    ("NaN", "power", "has no number"),
    ("inf W", "power", "has no number"),
    ("1e999 W", "power", "not a finite number"),
    ("1.2.3 W", "power", "is not a number"),
    ("x" * 61, "power", "is too long"),
    ("6'6 W", "power", "unknown unit"),
    ("1 2 W", "power", "no number"),
    ("1,23.4 W", "power", "is not a number"),
    ("6 ft 13 in", "length", "more than one of them"),
    ("1.5 ft 3 in", "length", "a part of a ft"),
    ("6 ft 6 lb", "length", "unknown part"),
]


@pytest.mark.parametrize(("text", "dimension", "value"), UNDERSTOOD)
def test_understands(text: str, dimension: str, value: float) -> None:
    q = parse(text, dimension)
    assert q.value == pytest.approx(value, rel=1e-6)
    assert q.unit == SI_UNIT[dimension]
    assert q.understood


@pytest.mark.parametrize(("text", "dimension", "words"), REFUSED)
def test_refuses_in_words_that_say_what_would_be_right(text: str, dimension: str, words: str) -> None:
    with pytest.raises(NotUnderstood) as caught:
        parse(text, dimension)
    message = str(caught.value)
    assert words in message
    assert "write for example" in message


def test_an_unknown_dimension_is_refused() -> None:
    with pytest.raises(NotUnderstood, match="unknown kind"):
        parse("5 W", "colour")


def test_a_bare_number_takes_the_unit_of_the_person() -> None:
    assert parse("10", "length", "ft").value == pytest.approx(3.048)
    assert parse("10 m", "length", "ft").value == 10.0


@pytest.mark.parametrize("size", list(AWG_NUMBER))
def test_awg_is_understood_with_its_area(size: str) -> None:
    q = parse(f"{size} AWG", "area")
    assert q.awg == size
    assert q.value == awg_area_mm2(size)
    assert size in q.understood


def test_awg_areas_follow_the_standard() -> None:
    # ASTM B258: three sizes up double the area, within the roundness of the series
    assert awg_area_mm2("10") == pytest.approx(5.26, abs=0.01)
    assert awg_area_mm2("4/0") == pytest.approx(107.2, abs=0.1)
    assert awg_area_mm2("10") / awg_area_mm2("16") == pytest.approx(4, rel=0.03)


def test_every_example_in_a_refusal_is_itself_understood() -> None:
    for dimension, words in EXAMPLES.items():
        for piece in words.split('"')[1::2]:
            assert parse(piece, dimension).unit == SI_UNIT[dimension]


@given(st.sampled_from(sorted(SI_UNIT)), st.floats(0.001, 1e6))
def test_what_is_shown_is_understood_again(dimension: str, value: float) -> None:
    if dimension == "area" and value > 1e4:
        value /= 1e3
    back = parse(show(value, SI_UNIT[dimension] or ""), dimension).value
    assert back == pytest.approx(value, rel=6e-4)


@given(st.sampled_from([(d, u) for d, units in UNITS.items() for u in units if d != "temperature"]), st.floats(0.01, 1e4))
def test_every_unit_is_its_factor(pair: tuple[str, str], number: float) -> None:
    dimension, unit = pair
    q = parse(f"{number:.4f} {unit}", dimension)
    assert q.value == pytest.approx(float(f"{number:.4f}") * UNITS[dimension][unit], rel=1e-9)


@given(st.floats(-1e9, 1e9, allow_nan=False))
def test_decimal_comma_and_point_are_the_same(value: float) -> None:
    text = f"{value:.2f}"
    assert read_number(text.replace(".", ",").lstrip("-")) == read_number(text.lstrip("-"))


@given(
    st.integers(0, 40),
    st.integers(0, 95),
    st.sampled_from(["{f}'{i}{q}", "{f} ft {i}{q}", "{f}′ {i}{q}", "{f} feet {i}{q}", "{f}ft {i}{q}", "{f}' {i}{q}"]),
    st.sampled_from(['"', " in", "″", " inches", "”"]),
)
def test_feet_and_inches_are_what_they_say(feet: int, eighths: int, written: str, inch: str) -> None:
    whole, part = divmod(eighths, 8)
    inches = f"{whole} {part}/8" if part else str(whole)
    q = parse(written.format(f=feet, i=inches, q=inch), "length")
    assert q.value == pytest.approx(feet * 0.3048 + eighths / 8 * 0.0254, abs=1e-9)


GAPS = [",", " ", "\u202f", "\u00a0", "'", "’", ""]


@given(st.integers(1, 9_999_999), st.sampled_from(GAPS), st.sampled_from(["", "-", "−", "–"]), st.sampled_from(["", ".5", ".25"]))
def test_thousands_are_read_however_they_are_parted(number: int, gap: str, minus: str, decimals: str) -> None:
    text = f"{minus}{number:,}".replace(",", gap) + decimals
    value = float(f"{number}{decimals}") * (-1 if minus else 1)
    assert parse(f"{text} W", "power").value == pytest.approx(value)


@given(st.integers(1, 999), st.integers(0, 99), st.integers(1, 2))
def test_a_decimal_comma_is_one_wherever_it_can_be_no_other(whole: int, part: int, digits: int) -> None:
    text = f"{whole},{part:0{digits}d}"
    if len(text.split(",")[1]) != 3:
        assert parse(f"{text} A", "current").value == pytest.approx(float(text.replace(",", ".")))


@given(st.text(max_size=80), st.sampled_from(sorted(SI_UNIT)))
def test_any_text_is_understood_or_refused_never_a_crash(text: str, dimension: str) -> None:
    try:
        q = parse(text, dimension)
    except NotUnderstood as exc:
        assert str(exc)
    else:
        assert math.isfinite(q.value)


def test_numbers_that_cannot_be_read() -> None:
    for text in ("1,23,4", "1.2.3", ""):
        with pytest.raises(ValueError, match=r"^"):
            read_number(text)


def test_show_keeps_four_digits_and_no_exponent_for_ordinary_sizes() -> None:
    assert show(0.0, "W") == "0 W"
    assert show(1234.567, "W") == "1\u202f235 W"
    assert show(0.05, "V") == "0.05 V"
    assert show(2.5e-5, "A") == "2.5e-05 A"
    assert show(3, "") == "3"
