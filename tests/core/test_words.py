"""How rules speak: a title names the thing, a remedy begins with what to do."""

from __future__ import annotations

import re

import pytest

from bothy.core.context import Context
from bothy.core.finding import RULES
from bothy.core.report import report
from bothy.core.sizing.search import search
from bothy.core.sun.weather_fit import fit
from bothy.core.trips.of_design import run_trip
from bothy.demo.load import DEMOS, demo_of
from tests.core.test_dangers import CASES
from tests.core.test_dangers import found as found_in

REGISTER = (report, run_trip, search, fit)  # loading them registers every rule
VERBS = {
    "Add",
    "Air",
    "Ask",
    "Bind",
    "Bond",
    "Bring",
    "Build",
    "Buy",
    "Calculate",
    "Carry",
    "Change",
    "Charge",
    "Check",
    "Choose",
    "Claim",
    "Close",
    "Compare",
    "Connect",
    "Cover",
    "Cut",
    "Describe",
    "Do",
    "Draw",
    "Dry",
    "End",
    "Enlarge",
    "Enter",
    "Feed",
    "Fill",
    "Find",
    "Fit",
    "Fix",
    "Get",
    "Give",
    "Have",
    "Heat",
    "Hold",
    "Import",
    "Insulate",
    "Isolate",
    "Join",
    "Keep",
    "Lay",
    "Lead",
    "Leave",
    "Lengthen",
    "Limit",
    "Look",
    "Make",
    "Measure",
    "Mend",
    "Mount",
    "Move",
    "Never",
    "Open",
    "Order",
    "Paint",
    "Place",
    "Plan",
    "Print",
    "Pull",
    "Put",
    "Remove",
    "Repeat",
    "Replace",
    "Report",
    "Route",
    "Run",
    "Sanitise",
    "Seal",
    "See",
    "Separate",
    "Service",
    "Set",
    "Shade",
    "Shorten",
    "Shut",
    "Sleeve",
    "Split",
    "Stand",
    "Swap",
    "Switch",
    "Take",
    "Tape",
    "Tell",
    "Test",
    "Tighten",
    "Trim",
    "Turn",
    "Unroll",
    "Unwind",
    "Use",
    "Ventilate",
    "Wait",
    "Weigh",
    "Write",
    "Zero",
}


@pytest.mark.parametrize("rule", RULES.values(), ids=lambda r: r.id)
def test_a_remedy_begins_with_what_to_do(rule: object) -> None:
    remedy, title = rule.remedy, rule.title  # type: ignore[attr-defined]
    assert remedy.split()[0].rstrip(",.:") in VERBS, remedy
    assert len(remedy.split()) >= 3, remedy
    assert remedy.endswith("."), remedy
    assert not title.endswith("."), title
    assert not re.search(r"not said|is said of|asked for|the most\b|the least\b|for hours", f"{title} {remedy}"), remedy


@pytest.mark.parametrize("demo", list(DEMOS))
def test_a_message_says_what_its_number_is_before_the_number(demo: str) -> None:
    one, _ = demo_of(DEMOS[demo])
    found = [*one.report.findings, *run_trip(Context(one.design)).findings]
    assert len(found) > 10
    assert not [(f.rule, f.message) for f in found if re.match(r"[-−\d]", f.message)]


@pytest.mark.parametrize("rule", sorted(CASES))
def test_so_does_that_of_each_danger(rule: str) -> None:
    message = found_in(CASES[rule][0])[rule].message
    assert not re.match(r"[-−\d]", message), message
    assert message[0].isupper() or message[0] in "“(", message
    assert not re.search(r"\bnot said\b|is said of|\bfor hours\b|\bnineteen twentieths\b|\bthree tenths\b", message), message
