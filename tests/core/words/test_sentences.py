"""The rules by which what a finding says is read: each finds its fault, and leaves good sentences alone."""

from __future__ import annotations

import pytest

from bothy.core.catalogue.materials import materials
from bothy.core.finding import finding
from tests.core import conftest
from tests.sentences import RULES, faults

OWN_MESSAGES = True
BAD = {
    "2 of 2 straps hold it well.": "begins with a number",
    "−5 °C is too cold for the cells.": "begins with a number",
    "It stands inside the living space.": "begins with a word that stands for something else",
    "Its plate says 30 mbar today.": "begins with a word that stands for something else",
    "No grommets are not said to be there.": "says how little somebody said",
    "The locker isn’t said to be tight.": "says how little somebody said",
    "The fuse wants 200 A to blow.": "a thing that wants or asks",
    "The state asks for one of them.": "a thing that wants or asks",
    "The vent is small; 12 mm and more.": "at least, at most",
    "Of all of them 80 % is the most.": "at least, at most",
    "The heater burns 2 kg in the mean.": "on average, continuously",
    "The supply carries 16 A for hours.": "on average, continuously",
    "Power is short in half of the weathers.": "words of the sums",
    "The board has 2 circuits on 1 ways.": "one of several",
    "The tank is three tenths full now.": "fractions in words",
    "The tank isn't marked for drinking water.": "a straight apostrophe",
    "Together may run: ; not with them: Kettle.": "two full stops",
    "What would help at once: .": "two full stops",
    "The vent is too small": "no full stop",
    "No vent here.": "not a sentence",
}
GOOD = (
    "The hose is 3 years old; it may be at most 2.",
    "“2 lamps” is made for 24 V and is connected straight to 12 V: it does not run.",
    "“It wants a name” has no fuse of its own.",
    "At −5 °C the cells take no charge, 57 % of the time.",
    "With 21 nights between hook-ups and 1 day without, 4.1 hours are left.",
    "Get out. Leave the doors open!",
    "The cylinder leans by 20° (liquid gas reaches the regulator).",
)


@pytest.mark.parametrize(("message", "rule"), BAD.items(), ids=str)
def test_a_fault_is_found(message: str, rule: str) -> None:
    assert rule in faults(message)


def test_each_rule_has_its_case() -> None:
    assert set(RULES) <= set(BAD.values())


@pytest.mark.parametrize("message", GOOD)
def test_a_good_sentence_is_left_alone(message: str) -> None:
    assert faults(message) == []


def test_whatever_a_rule_says_in_a_test_is_read() -> None:
    finding("gas-cylinder-lying", "vessel:a", "A", "It leans.")
    assert "begins with a word that stands for something else" in conftest.BAD["It leans."]
    finding("gas-cylinder-lying", "vessel:a", "A", "The cylinder leans by 20°: liquid gas reaches the regulator.")
    assert len(conftest.BAD) == 1


@pytest.mark.parametrize(
    ("key", "said"), [("xps", "extruded board (XPS)"), ("pir_foil", "foil-faced board (PIR)"), ("plywood", "plywood"), ("glass", "glass"), ("mdf", "MDF")]
)
def test_a_material_within_a_sentence_keeps_its_abbreviation(key: str, said: str) -> None:
    assert materials()[key].within == said


def test_no_material_shouts_within_a_sentence() -> None:
    for m in materials().values():
        head = m.within.split()[0]
        assert head.islower() or head.isupper(), m.within
