"""Tables in and out: marks at their start, separators that are said, formulas that are none, and cells with anything in them."""

from __future__ import annotations

import csv
import io

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core.design.document import load_design
from bothy.core.plain import not_text
from bothy.core.report import report
from bothy.formats import appliances_csv, itinerary, schedule
from bothy.formats.tables import cells_of, plain, rows_of, unplain
from tests.designs import lived

WILD = st.text(st.characters(exclude_categories=["Cs"]), min_size=1, max_size=40).filter(lambda t: not_text(t) is None and t.strip() == t and bool(t))


@pytest.mark.parametrize("mark", ["", "\ufeff"])
@pytest.mark.parametrize(("line", "separator"), [("", ";"), ("sep=;\n", ";"), ("SEP=|\r\n", "|"), ("sep=\t\n", "\t")])
def test_a_mark_and_a_said_separator_are_understood(mark: str, line: str, separator: str) -> None:
    text = f"{mark}{line}name{separator}power\nLamp, small{separator}5 W\n"
    assert rows_of(text) == ([["name", "power"], ["Lamp, small", "5 W"]], separator)
    assert cells_of(text) == [["name", "power"], ["Lamp, small", "5 W"]]


@given(WILD)
def test_a_defused_cell_comes_back_as_it_was(text: str) -> None:
    assert unplain(plain(text)) == text or text[:1] in "'\t\r"
    assert plain(text)[:1] not in ("=", "+", "-", "@", "\t", "\r")


@given(WILD)
def test_no_name_breaks_out_of_its_cell(name: str) -> None:
    """Carriage returns, quotes, separators and formulas stay in the cell of each CSV that is taken away."""
    data = lived([{"id": "a", "name": name[:120], "power_w": 5.0, "hours_per_day": 2.0, "note": name}])
    data["trips"] = {"start_date": "2026-06-01", "legs": [{"id": "x", "place": "london", "days_count": 2, "note": name}]}
    design = load_design(data)
    made = {
        "appliances": appliances_csv.write(design.life.appliances),
        "itinerary": itinerary.write_table(design),
        "circuits": schedule.to_csv(design, report(design)),
    }
    for what, text in made.items():
        rows = list(csv.reader(io.StringIO(text, newline="")))
        assert len({len(r) for r in rows}) == 1, what
        for cell in (c for r in rows[1:] for c in r):
            assert cell[:1] not in ("=", "+", "@", "\t", "\r"), what
    assert appliances_csv.preview(made["appliances"]).taken == 1
