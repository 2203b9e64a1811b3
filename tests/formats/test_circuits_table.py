"""Circuits brought in from a table: Bothy's own schedule comes back as it went, and strange tables are read or refused by line."""

from __future__ import annotations

import io
from typing import Any

import pytest
from openpyxl import Workbook

from bothy.core.contract import BadInput
from bothy.core.report import report
from bothy.demo import curlew, fiddlehead
from bothy.formats import schedule, workbook
from bothy.formats.circuits_table import CircuitPreview, preview

CURLEW = curlew.design()
REPORT = report(CURLEW)
CODES = {p.code: c for c, p in REPORT.wiring.circuits.items()}


def read(text: str) -> CircuitPreview:
    return preview(text, CURLEW, CODES)


@pytest.mark.parametrize("demo", [curlew, fiddlehead])
def test_the_exported_schedule_comes_back_unchanged(demo: Any) -> None:
    design = demo.design()
    r = report(design)
    p = preview(schedule.to_csv(design, r), design, {x.code: c for c, x in r.wiring.circuits.items()})
    assert p.wrong == 0
    assert [x.status for x in p.lines[len(design.wiring.circuits) :]] == ["empty"] * len(design.wiring.others), (
        "cables that are no circuits are left as they are"
    )
    for line, c in zip([x for x in p.lines if x.status != "empty"], design.wiring.circuits, strict=True):
        assert line.match == c.id
        assert line.fields is not None
        for key in ("name", "area_mm2", "awg", "parallel_count", "fuse_a", "appliances"):
            if key in line.fields:
                assert line.fields[key] == getattr(c, key), (c.name, key)


def test_a_line_is_a_circuit_by_its_name_or_its_code_and_else_new() -> None:
    p = read("code;circuit;length (ft);cable;fuse\nA6;Tap pump;10;10 AWG;15 A\n;Fridge;;6;\n;Winch;2;2 x 95 mm²;150\n")
    by = [(x.match, x.fields) for x in p.lines]
    assert by[0][0] == CODES["A6"]
    assert by[0][1] is not None
    assert by[0][1]["length_m"] == pytest.approx(3.048)
    assert (by[0][1]["awg"], by[0][1]["area_mm2"], by[0][1]["fuse_a"]) == ("10", None, 15.0)
    assert by[1] == ("front-fridge-90-l", {"name": "Fridge", "area_mm2": 6.0, "awg": None, "parallel_count": 1})
    assert by[2][0] is None
    assert by[2][1] is not None
    assert by[2][1]["parallel_count"] == 2
    assert p.lines[2].understood.startswith("new: Winch")


@pytest.mark.parametrize(
    ("line", "said"),
    [
        (";A;;;6;5", "the name of the circuit is missing"),
        ("Lamp;Q;;3;6;5", "there is no board “Q”; boards are A House board"),
        ("Lamp;A;Toaster;3;6;5", "no appliance is called “toaster”"),
        ("Lamp;A;;long;6;5", "long"),
        ("Lamp;A;;900;6;5", "Length must be at most 100"),
        ("Lamp;A;;3;7 AWG;5", "AWG"),
        ("Lamp;A;;3;6;5;more", "this line has 7 cells"),
    ],
)
def test_what_a_line_gets_wrong_is_said_and_the_others_are_taken(line: str, said: str) -> None:
    p = read(f"circuit;board;feeds;length;cable;rating\n{line}\nGood one;B;Grey tank pump;2;2.5;10\n")
    assert [x.status for x in p.lines] == ["wrong", "taken"]
    assert said in (p.lines[0].problem or "")
    assert p.lines[1].fields is not None
    assert p.lines[1].fields["appliances"] == ["grey-pump"]


def test_names_with_commas_are_told_apart() -> None:
    p = read("circuit;feeds\nLights;Light strips, table, Spots over the kitchen\n")
    assert p.lines[0].fields is not None
    assert p.lines[0].fields["appliances"] == ["strip-living", "spots-kitchen"]


def test_two_lines_for_one_circuit_are_not_both_taken() -> None:
    p = read("circuit;length\nFridge;3\nFridge;4\n")
    assert [x.status for x in p.lines] == ["taken", "wrong"]


@pytest.mark.parametrize(("text", "key"), [("", "file"), ("colour;shape\nred;round", "columns"), ("circuit;colour\nFridge;red", "columns")])
def test_a_table_of_something_else_is_refused_as_a_whole(text: str, key: str) -> None:
    with pytest.raises(BadInput) as e:
        read(text)
    assert e.value.key == key


def test_a_workbook_is_read_from_its_first_sheet_with_anything_on_it() -> None:
    book = Workbook()
    book.active.title = "empty"
    sheet = book.create_sheet("circuits")
    for row in (["circuit", "length", None], [None, None, None], ["Fridge", 3.5, None], ["Two\nlines", 2, None]):
        sheet.append(row)
    file = io.BytesIO()
    book.save(file)
    assert workbook.from_xlsx(file.getvalue()) == "circuit\tlength\nFridge\t3.5\nTwo lines\t2"


def test_what_is_no_workbook_or_holds_nothing_is_refused() -> None:
    with pytest.raises(BadInput, match="is not an XLSX workbook"):
        workbook.from_xlsx(b"PK\x03\x04 not really")
    file = io.BytesIO()
    Workbook().save(file)
    with pytest.raises(BadInput, match="no sheet"):
        workbook.from_xlsx(file.getvalue())
