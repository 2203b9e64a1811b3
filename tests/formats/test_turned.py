"""Files in their reader's units: what an American takes away is in feet and pounds, and comes back as it was."""

from __future__ import annotations

import csv
import io
import re
from functools import cache
from typing import Any

import pytest
from openpyxl import load_workbook

from bothy.core.report import Report, report
from bothy.core.words.said import METRIC_UK, Reader, reader_of
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.demo.load import demo_of
from bothy.formats import appliances_csv, circuits_table, places, schedule
from bothy.formats.appliances_csv import match_columns
from bothy.formats.bench_lists import write as write_lists
from bothy.formats.turned import for_file, for_reader

DEMOS = {"curlew": curlew, "fiddlehead": fiddlehead, "saltbush": saltbush}
METRIC_HEADING = re.compile(r" (m|kg|mm|L|°C|kPa|N|km)$")
METRIC_CELL = re.compile(r"(?<![\w.×])\d[\d.,]*\s?(m|kg|L|°C|kPa|N|km)(?![\w²³/·(])")


@cache
def report_of_demo(name: str) -> Report:
    one, evidence = demo_of(DEMOS[name])
    return report(one.design, evidence)


def us(of: Any) -> Reader:
    return reader_of(demo_of(of)[0].design, "us")


def rows_of(text: str) -> list[list[str]]:
    return list(csv.reader(io.StringIO(text.removeprefix("\ufeff"))))


@pytest.mark.parametrize("name", DEMOS)
def test_places_come_back_from_feet(name: str) -> None:
    design, r = demo_of(DEMOS[name])[0].design, report_of_demo(name)
    text = places.places_csv(design, r.fit, us(DEMOS[name]))
    headings = rows_of(text)[0]
    assert "x ft" in headings and "mass lb" in headings and not [h for h in headings if METRIC_HEADING.search(h)]
    read = places.preview(text, design)
    assert not read.wrong and read.taken == len(design.fit.places)
    docs = {p.of: p for p in design.fit.places}
    for line in read.lines:
        if line.op is not None:
            value = line.op["value"]
            was = docs[value["of"]]
            assert (value["x_m"], value["y_m"], value["z_m"]) == pytest.approx((was.x_m, was.y_m, was.z_m), abs=5e-5)
            assert value["yaw_deg"] == was.yaw_deg and value["up"] == was.up


@pytest.mark.parametrize("name", DEMOS)
def test_circuits_come_back_from_feet(name: str) -> None:
    design, r = demo_of(DEMOS[name])[0].design, report_of_demo(name)
    codes = {c.id: r.wiring.circuits[c.id].code for c in design.wiring.circuits}
    in_feet = circuits_table.preview(schedule.to_csv(design, r, us(DEMOS[name])), design, codes)
    in_metres = circuits_table.preview(schedule.to_csv(design, r, METRIC_UK), design, codes)
    assert (in_feet.taken, in_feet.wrong) == (in_metres.taken, 0)
    assert in_feet.columns["length"] == "length one way ft"
    for a, b in zip(in_feet.lines, in_metres.lines, strict=True):
        assert a.match == b.match
        one, other = dict(a.fields or {}), dict(b.fields or {})
        assert one.pop("length_m", 0) == pytest.approx(other.pop("length_m", 0), abs=5e-4)
        assert one == other


@pytest.mark.parametrize("name", DEMOS)
def test_appliances_come_back_from_pounds(name: str) -> None:
    design = demo_of(DEMOS[name])[0].design
    text = appliances_csv.write(design.life.appliances, "us")
    assert " kg" not in text
    read = appliances_csv.preview(text)
    assert not read.wrong
    for line, was in zip(read.lines, design.life.appliances, strict=True):
        mass = (line.appliance or {}).get("mass_kg") or 0.0
        assert mass == pytest.approx(was.mass_kg or 0.0, rel=1e-3)


@pytest.mark.parametrize("made", ["circuits", "lists", "layout"])
def test_an_american_workbook_has_no_metre(made: str) -> None:
    design, r = demo_of(fiddlehead)[0].design, report_of_demo("fiddlehead")
    reader = reader_of(design)
    book = {"circuits": schedule.to_xlsx(design, r, "F", reader), "lists": _lists(r, reader), "layout": places.to_xlsx(design, r.fit, "F", reader)}[made]
    for sheet in load_workbook(io.BytesIO(book)):
        headings, *rows = [list(row) for row in sheet.iter_rows(values_only=True)]
        assert not [h for h in headings if h and METRIC_HEADING.search(str(h))], sheet.title
        for row in rows:
            for heading, cell in zip(headings, row, strict=True):
                if isinstance(cell, str) and not any(n in cell for n in reader.names):
                    assert not METRIC_CELL.search(cell), (sheet.title, heading, cell)


def _lists(r: Report, reader: Reader) -> bytes:
    from bothy.core.facts.evidence import facts_of
    from bothy.core.wiring.lists import bench_lists

    one, evidence = demo_of(fiddlehead)
    lists = bench_lists(one.design, r.wiring.circuits, r.wiring.raceways, r.wiring.others, facts_of(evidence))
    return write_lists(lists, "F", reader)


def test_who_reads_metres_gets_the_numbers_as_they_are() -> None:
    rows = [["Shelf", 1.234567, 3.2]]
    assert for_file(("thing", "x m", "mass kg"), rows, METRIC_UK) == (["thing", "x m", "mass kg"], rows)


def test_names_and_keys_stay_and_what_is_said_is_turned() -> None:
    reader = Reader("us", "us")
    headings, rows = for_file(("thing", "key", "x m", "why"), [["Hob 2 m", "gas:hob", 3.048, "The hob is 2 m away."]], reader)
    assert headings == ["thing", "key", "x ft", "why"]
    assert rows == [["Hob 2 m", "gas:hob", 10.0, "The cooktop is 6.6 ft away."]]
    assert for_reader(("Earths", ("thing",), [["Hob"]]), reader)[2] == [["Cooktop"]]


@pytest.mark.parametrize(("heading", "unit"), [("x m", None), ("x ft", "ft"), ("X FT", "ft"), ("x in", "in"), ("x (in)", "in"), ("x mm", "mm")])
def test_a_heading_says_its_unit(heading: str, unit: str | None) -> None:
    found, units, ignored = match_columns([heading, "colour"], {"x": ("x m", "x")})
    assert (found, units.get("x"), ignored) == ({"x": 0}, unit, ["colour"])
