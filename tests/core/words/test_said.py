"""Sentences for their reader: units of the person, terms of the region, numbers in one way."""

from __future__ import annotations

import re

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core.finding import RULES
from bothy.core.region import REGIONS, RegionKey, money
from bothy.core.words.said import Reader, UnitSystem, names_with_amounts, reader_of, said, stays_as_typed, typeset
from bothy.core.words.terms import in_region, plural, terms
from bothy.demo import curlew, fiddlehead

US = Reader("us", "us")


def plain(text: str) -> str:
    return text.replace("\u202f", " ").replace("\xa0", " ")


@pytest.mark.parametrize(
    ("text", "region", "wanted"),
    [
        ("Fit a residual-current device.", "uk", "Fit an RCD."),
        ("Fit a residual-current device.", "us", "Fit a GFCI."),
        ("Fit a 30 mA residual-current device.", "au", "Fit a 30 mA safety switch (RCD)."),
        ("Earth the sockets.", "us", "Ground the outlets."),
        ("A socket, an isolator and a hook-up.", "us", "An outlet, a disconnect switch and a hookup."),
        ("Two change-over switches", "us", "Two transfer switches"),
        ("Residual-current devices trip", "au", "Safety switches (RCD) trip"),
        ("Shut the taps and the hob.", "us", "Shut the faucets and the cooktop."),
        ("Petrol and grey water, colour and tyres", "us", "Gasoline and gray water, color and tires"),
        ("A galvanic isolator beside the isolator.", "us", "A galvanic isolator beside the disconnect switch."),
        ("Neutral-earth bonds and residual-current devices", "au", "Neutral-earth (MEN) bonds and safety switches (RCD)"),
        ("nights between hook-ups", "au", "nights between powered sites"),
        ("The hob “My hob” is unearthed.", "us", "The cooktop “My hob” is ungrounded."),
        ("tapping, hobby, earthenware, taps-off", "us", "tapping, hobby, earthenware, taps-off"),
    ],
)
def test_a_thing_is_called_as_it_is_called_there(text: str, region: RegionKey, wanted: str) -> None:
    assert in_region(text, region) == wanted


@pytest.mark.parametrize(
    ("text", "wanted"),
    [
        ("done on Sun 16 May 2027 by the plan", "done on Sun, May 16, 2027 by the plan"),
        ("From about 25 January; 25 to 28 April 2027", "From about January 25; April 25 to 28, 2027"),
        ("28 April to 3 May, Fri, 12 Nov, 14:00", "April 28 to May 3, Fri, Nov 12, 14:00"),
        ("1.5 March, may 5 and “2 May” stay", "1.5 March, may 5 and “2 May” stay"),
    ],
)
def test_an_american_reads_the_month_first(text: str, wanted: str) -> None:
    assert said(text, US) == wanted
    assert said(wanted, US) == wanted
    assert said(text, Reader("us", "uk")) == text == said(text, Reader("metric", "au"))


@pytest.mark.parametrize("region", list(REGIONS))
def test_what_was_said_once_is_not_said_again_otherwise(region: RegionKey) -> None:
    """The terms of a region are no terms to be replaced in it: a sentence that is turned twice stays."""
    for t in terms():
        once = in_region(f"the {t.base} and {plural(t.base)}", region)
        assert in_region(once, region) == once, t.base


def test_an_american_reads_no_british_term() -> None:
    british = re.compile(r"\b(hobs?|earth(ed|ing)?|tyres?|petrol|spanners?|grey|colours?|vapour|litres?|metres?|hook-ups?|residual-current|mains)\b", re.I)
    left = [(r.id, m.group()) for r in RULES.values() for text in (r.title, r.remedy) if (m := british.search(said(text, US)))]
    assert not left


@pytest.mark.parametrize(
    ("text", "wanted"),
    [
        ("At -5 °C 2,752 Wh are 57% of it.", "At −5 °C 2 752 Wh are 57 % of it."),
        ("12.2-12.8 V, IEC 60364-5-52, 3 - 2", "12.2-12.8 V, IEC 60364-5-52, 3 - 2"),
        ("1,234,567 and 1,23 and 12,3456", "1 234 567 and 1,23 and 12,3456"),
        ("4.6 % lost", "4.6 % lost"),
    ],
)
def test_numbers_are_written_in_one_way(text: str, wanted: str) -> None:
    assert plain(typeset(text)) == wanted


@pytest.mark.parametrize(
    ("text", "stage", "wanted"),
    [
        ("The shell loses 1,430 W of heat; the fan draws 30 W.", "warmth", "The shell loses 4 880 BTU/h; the fan draws 30 W."),
        ("300 of 500 W of heat arrive.", "warmth", "1 020 of 1 710 BTU/h arrive."),
        ("The stove gives up to 4.5 kW of heat.", "warmth", "The stove gives up to 15 400 BTU/h."),
        ("In one joint that is 2.2 W of heat.", "wiring", "In one joint that is 2.2 W of heat."),
    ],
)
def test_heat_is_read_in_btu_and_electricity_in_watts(text: str, stage: str, wanted: str) -> None:
    assert plain(said(text, US, stage)) == wanted
    assert plain(said(text, Reader("metric", "eu"), stage)) == text.replace(",", " ")


@pytest.mark.parametrize(
    ("text", "wanted"),
    [
        ("4,500 N lift it and 120 N drag it.", "1 010 lbf lift it and 27 lbf drag it."),
        ("The U-value is 1.20 W/(m²K) and should be at most 0.8 W/(m²K); ", "The U-value is 0.211 BTU/(h·ft²·°F) and should be at most 0.14 BTU/(h·ft²·°F); "),
        ("The foil adds 0.45 m²K/W.", "The foil adds 2.56 h·ft²·°F/BTU."),
        ("wool of 20 kg/m³, 4.7 kg/m²", "wool of 1.25 lb/ft³, 0.96 lb/ft²"),
        ("57.5° N, 12 N·m", "57.5° N, 8.9 lb·ft"),
    ],
)
def test_forces_walls_and_weights_by_area_are_read_there_too(text: str, wanted: str) -> None:
    assert plain(said(text, US, "roof")) == wanted
    assert plain(said(text, Reader())) == text.replace(",", " ", 1 if "4,5" in text else 0)


@given(st.floats(-40, 60).map(lambda x: round(x, 1)))
def test_a_temperature_is_the_same_in_both(celsius: float) -> None:
    read = plain(said(f"It is {celsius} °C.", US))
    shown = float(re.findall(r"-?\d+", read.replace("−", "-"))[0])
    assert abs(shown - (celsius * 1.8 + 32)) <= 0.5 + 1e-9
    assert read.endswith("°F.")


@given(
    st.floats(1, 9999).map(lambda x: float(f"{x:.3g}")),
    st.sampled_from([("m", "ft", 0.3048), ("kg", "lb", 0.45359237), ("L", "gal", 3.785411784), ("kPa", "psi", 6.894757293168)]),
)
def test_a_quantity_is_the_same_in_both_to_its_digits(value: float, unit: tuple[str, str, float]) -> None:
    name, us, factor = unit
    read = plain(said(f"{value:g} {name}", US))
    number = float(read.removesuffix(f" {us}").replace(" ", ""))
    assert number * factor == pytest.approx(value, rel=0.051)


def test_copper_stays_what_it_is_bought_by() -> None:
    assert said("Fit 2 × 95 mm² over 3 m.", US, "wiring") == "Fit 2 × 95 mm² over 9.8 ft."
    assert said("400 mm² of vent", US, "gas") == "0.62 in² of vent"


@pytest.mark.parametrize(("amount", "region", "wanted"), [(1240, "uk", "£1,240"), (-3.6, "eu", "−€4"), (0.2, "us", "$0"), (99.5, "au", "A$100")])
def test_money_is_the_regions(amount: float, region: RegionKey, wanted: str) -> None:
    assert money(amount, region) == wanted


def test_typed_names_that_hold_an_amount_stay() -> None:
    data = {
        "life": {"appliances": [{"name": "Fridge 50 L"}, {"name": "A 2 m hose"}, {"name": "Kettle", "note": "2 L"}]},
        "power": {"bank": {"name": "Bank 100 Ah"}},
    }
    names = names_with_amounts(data)
    assert names == ("Fridge 50 L", "A 2 m hose"), "the longest first; ampere-hours are read everywhere"
    text = "A1 Fridge 50 L: 13 L; A 2 m hose: 3 m; “Fridge 50 L”; fridge 50 L"
    assert said(text, Reader("us", "us", names)) == "A1 Fridge 50 L: 3.4 gal; A 2 m hose: 9.8 ft; “Fridge 50 L”; fridge 13.2 gal"
    assert said(text, Reader("metric", "uk", names)) == text


OWN = {"handover": {"where": {"shore": "at the rear, grey lid"}, "open": ["label the grey tank"], "manuals": {"x": "tap"}}, "fit": {"note": "2 m from the hob"}}


@pytest.mark.parametrize(
    ("units", "region", "stays"),
    [
        ("us", "us", ("at the rear, grey lid", "label the grey tank", "2 m from the hob")),
        ("metric", "us", ("at the rear, grey lid", "label the grey tank", "2 m from the hob")),
        ("us", "uk", ("2 m from the hob",)),
        ("metric", "uk", ()),
    ],
)
def test_ones_own_sentences_stay_as_they_were_typed(units: UnitSystem, region: RegionKey, stays: tuple[str, ...]) -> None:
    assert stays_as_typed(OWN, units, region) == stays
    told = said("Found at the rear, grey lid; the grey tank.", Reader(units, region, stays))
    assert told == ("Found at the rear, grey lid; the gray tank." if region == "us" else "Found at the rear, grey lid; the grey tank.")


def test_an_american_design_keeps_its_names_on_paper() -> None:
    reader = reader_of(fiddlehead.design())
    assert (reader.units, reader.region) == ("us", "us")
    assert "Chest fridge 50 L" in reader.names
    assert said("A1 Chest fridge 50 L: 2 m of cable", reader) == "A1 Chest fridge 50 L: 6.6 ft of cable"
    assert "Chest fridge 50 L" not in reader_of(fiddlehead.design(), "metric").names
    assert reader_of(curlew.design()).units == "metric"


def test_sizes_in_millimetres_are_no_number_of_pieces() -> None:
    us = Reader("us", "us")
    assert said("1010 × 640 mm", us) == "39.8 × 25.2 in"
    assert said("2 × 0.26 m", us) == "2 × 10.2 in", "two of them"


@pytest.mark.parametrize(
    ("text", "read"),
    [
        ("at most 0.175 m", "at most 6.89 in"),
        ("0.15 m", "5.9 in"),
        ("0.59 m", "23.2 in"),
        ("0.6 m", "2 ft"),
        ("0.2 to 0.5 m", "7.9 to 20 in"),
        ("0.3 to 1.5 m", "0.98 to 4.9 ft"),
        ("−0.25 m", "−9.8 in"),
        ("0 m away", "0 in away"),
    ],
)
def test_a_short_length_is_read_in_inches(text: str, read: str) -> None:
    assert plain(said(text, US)).replace("\u202f", " ") == read


EXACT = {"kg": 0.45359237, "m": 0.3048, "mm": 25.4, "L": 3.785411784, "km": 1.609344, "kPa": 6.894757293168}


@given(n=st.integers(10, 9999), unit=st.sampled_from(sorted(EXACT)))
def test_what_an_american_reads_is_as_exact_as_what_was_said(n: int, unit: str) -> None:
    read = plain(said(f"{n} {unit}", US))
    number, us_unit = re.fullmatch(r"([\d. ]+) ([a-z]+)", read).groups()  # type: ignore[union-attr]
    assert us_unit in ("lb", "ft", "in", "gal", "mi", "psi")
    back = float(number.replace(" ", "")) * EXACT[unit]
    assert abs(back - n) <= max(0.5, 0.005 * n), read


@given(n=st.integers(-60, 120))
def test_degrees_are_turned_whole_and_differences_without_the_offset(n: int) -> None:
    text = f"{n} °C".replace("-", "−")
    read = float(plain(said(text, US)).removesuffix(" °F").replace("−", "-"))
    assert abs((read - 32) / 1.8 - n) <= 0.3
    if n > 0:
        risen = float(plain(said(f"{n} K warmer", US)).split(" ")[0])
        assert abs(risen / 1.8 - n) <= 0.3
        assert plain(said(f"{n} K warmer", Reader())) == f"{n} °C warmer"


@pytest.mark.parametrize("text", ["U of 0.5 W/(m²K)", "1100 J/(kg·K)", "class K", "0.33 W/K", "K2"])
def test_a_unit_that_holds_kelvin_is_no_difference(text: str) -> None:
    assert plain(said(text, Reader())) == text
