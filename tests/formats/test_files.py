"""Project file, circuit schedule."""

from __future__ import annotations

import copy
import csv
import io
import json
from typing import Any

import jsonschema_rs
import pytest
from openpyxl import load_workbook

from bothy.core.contract import BadInput
from bothy.core.facts.evidence import facts_of
from bothy.core.report import report
from bothy.demo import curlew
from bothy.formats import project_file, schedule
from tests.designs import circuit, lived, made, reported, wired


@pytest.fixture(scope="module")
def text() -> str:
    return project_file.write("Curlew", [("as planned", curlew.design()), ("lead bank", made(lived()))])


def test_out_and_in_again_is_the_same_to_the_last_byte(text: str) -> None:
    file = project_file.read(text)
    assert file.name == "Curlew"
    assert [v.name for v in file.variants] == ["as planned", "lead bank"]
    assert project_file.write(file.name, [(v.name, v.design) for v in file.variants]) == text
    assert file.variants[0].design == curlew.design()


def test_the_published_schema_accepts_what_is_written_and_refuses_what_is_not(text: str) -> None:
    schema = project_file.schema()
    check = jsonschema_rs.validator_for(schema)
    data = json.loads(text)
    assert check.is_valid(data)
    assert not check.is_valid({**data, "colour": "red"})
    damaged = copy.deepcopy(data)
    damaged["variants"][0]["design"]["life"]["people"] = "two"
    assert not check.is_valid(damaged)


ENTRY: dict[str, Any] = {"number": 1, "kind": "reading", "subject": "a", "payload": {"circuit": "a", "current_a": 1.0}}


def test_a_file_of_version_1_gives_up_its_readings() -> None:
    """The variant that holds most of them is the one that is being built."""
    data = json.loads(project_file.write("Tern", [("as planned", made(lived())), ("as built", made(wired(circuit())))]))
    for key in ("building", "evidence"):
        del data[key]
    data["schema_version"] = 1
    for v in data["variants"]:
        v["design"]["schema_version"] = 1
    data["variants"][1]["design"]["prove"]["readings"] = [{"circuit": "c1", "current_a": 1.0}]
    file = project_file.read(json.dumps(data))
    assert file.building == "as built"
    assert facts_of(file.evidence).readings[0].current_a == 1
    assert file.variants[1].design == made(wired(circuit()))
    data["variants"][1]["design"]["prove"]["readings"][0]["current_a"] = "much"
    with pytest.raises(BadInput) as e:
        project_file.read(json.dumps(data))
    assert (e.value.key, "variants[1].design" in e.value.message) == ("current_a", True)


def damaged(text: str, change: Any) -> str:
    data = json.loads(text)
    change(data)
    return json.dumps(data)


@pytest.mark.parametrize(
    ("change", "key", "words"),
    [
        (lambda d: d.update(format="other"), "format", "not a Bothy project file"),
        (lambda d: d.pop("format"), "format", "must be"),
        (lambda d: d.update(schema_version=7), "schema_version", "newer Bothy"),
        (lambda d: d.update(schema_version="1"), "schema_version", "whole number"),
        (lambda d: d.update(name=""), "name", "1 to 120"),
        (lambda d: d.update(name="x" * 10000), "name", "1 to 120"),
        (lambda d: d.update(variants=[]), "variants", "1 to 50"),
        (lambda d: d.update(variants="all"), "variants", "1 to 50"),
        (lambda d: d.update(extra=1), "extra", "not a known key"),
        (lambda d: d.update(building="elsewhere"), "building", "one of the variants"),
        (lambda d: d.update(evidence={}), "evidence", "must be a list"),
        (lambda d: d.update(evidence=[{**ENTRY, "number": 2}]), "number", "numbered from 1"),
        (lambda d: d.update(evidence=[{**ENTRY, "kind": "rumour"}]), "kind", "evidence[0].kind"),
        (lambda d: d.update(evidence=[{**ENTRY, "made_at": "yesterday"}]), "made_at", "2026-09-12"),
        (lambda d: d.update(evidence=[{**ENTRY, "corrects": 1}]), "corrects", "before it"),
        (lambda d: d.update(evidence=[{**ENTRY, "payload": {"circuit": "a", "current_a": "much"}}]), "current_a", "number"),
        (lambda d: d["variants"][0].update(name=3), "name", "variants[0].name"),
        (lambda d: d["variants"][1].update(name="as planned"), "name", "same name"),
        (lambda d: d["variants"][0].update(design=None), "design", "variants[0].design"),
        (lambda d: d["variants"][0]["design"].update(schema_version=99), "schema_version", "variants[0].design"),
        (lambda d: d["variants"][0]["design"]["life"].update(people=-1), "people", "variants[0].design.life.people"),
        (lambda d: d["variants"][0]["design"]["wiring"]["circuits"][3].update(length_m=900), "length_m", "circuits[3].length_m"),
    ],
)
def test_a_damaged_file_says_where_and_what_would_be_right(text: str, change: Any, key: str, words: str) -> None:
    with pytest.raises(BadInput) as caught:
        project_file.read(damaged(text, change))
    assert caught.value.key == key, caught.value.message
    assert words in caught.value.message


@pytest.mark.parametrize(
    ("broken", "words"),
    [
        ("", "is empty"),
        ("   ", "is empty"),
        ("{", "line 1"),
        ("[]", "format"),
        ("null", "format"),
        ("[" * 100000, "nested"),
        ('{"format": "bothy-project"}', "schema_version"),
    ],
)
def test_what_is_no_project_file_is_refused(broken: str, words: str) -> None:
    with pytest.raises(BadInput) as caught:
        project_file.read(broken)
    assert words in caught.value.message


def test_the_schedule_has_a_line_for_each_circuit_in_order() -> None:
    design = curlew.design()
    r = report(design)
    rows = list(csv.reader(io.StringIO(schedule.to_csv(design, r))))
    assert rows[0] == list(schedule.HEADINGS)
    assert [row[0] for row in rows[1:]] == [r.wiring.circuits[c.id].code for c in design.wiring.circuits] + [o.code for o in r.wiring.others.values()]
    assert all(len(row) == len(rows[0]) for row in rows)
    fridge = next(row for row in rows if row[1] == "Fridge")
    assert "Voltage drop too high" in fridge[-1]
    inverter = next(row for row in rows if row[1] == "Inverter feed")
    assert "Inverter breaker far too small" in inverter[-1]


def test_the_workbook_holds_the_same_table_and_no_formulas() -> None:
    data = wired(circuit(name="=1+1"), circuit("open", area_mm2=None, fuse_a=None))
    design, r = made(data), reported(data)
    sheet = load_workbook(io.BytesIO(schedule.to_xlsx(design, r, "A & B / <x>"))).active
    assert sheet is not None
    table = [[c.value for c in row] for row in sheet.iter_rows()]
    assert table[0] == list(schedule.HEADINGS)
    assert len(table) == 3
    assert all(c.data_type != "f" for row in sheet.iter_rows() for c in row)
    by_csv = list(csv.reader(io.StringIO(schedule.to_csv(design, r))))
    assert [row[0] for row in table] == [row[0] for row in by_csv]
    assert float(by_csv[1][4]) == table[1][4] == 4.0


def test_an_empty_schedule_is_just_its_heading() -> None:
    design = made(lived([]))
    assert len(schedule.to_csv(design, report(design)).splitlines()) == 1
    assert schedule.to_xlsx(design, report(design), "empty")
