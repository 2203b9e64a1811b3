"""Layout and weight over HTTP: proposed places, tables of places in and out, drawings to scale that measure true, and places that are refused."""

from __future__ import annotations

import csv
import io
import re
from typing import Any

import pytest
from ezdxf.filemanagement import read as read_dxf
from starlette.testclient import TestClient

from tests.api.test_trips import waited
from tests.api.test_variants import OWN, patch, put
from tests.designs import BANK

BOX = {
    "id": "box",
    "name": "Box",
    "length_m": 0.5,
    "width_m": 0.4,
    "height_m": 0.3,
    "mass_kg": 12.0,
    "kind": "other",
    "hollow": True,
    "flammable": False,
    "by": "typed",
}


@pytest.fixture
def laid(client: TestClient, variant_id: str) -> str:
    """A variant with a box of its own, placed."""
    say(client, variant_id, put("/power/bank", BANK), put("/fit/own", [BOX]), put("/fit/places", [{"of": "own:box", "x_m": 1.0, "y_m": -0.2, "z_m": 0.0}]))
    return variant_id


def say(client: TestClient, id: str, *ops: dict[str, Any]) -> Any:
    """An edit on the newest revision."""
    answer = patch(client, id, client.get(f"/api/variants/{id}").json()["revision"], *ops)
    assert answer.status_code == 200, answer.text
    return answer.json()


def test_places_are_proposed_and_taken(client: TestClient, laid: str) -> None:
    revision = client.get(f"/api/variants/{laid}").json()["revision"]
    made = client.get(f"/api/variants/{laid}/fit/places", params={"revision": revision}).json()
    assert made["places"] and made["source"][0]["method"] == "fit.places"
    assert "own:box" not in {p["of"] for p in made["places"]}
    after = patch(client, laid, revision, *made["patch"])
    assert after.status_code == 200
    one = made["places"][0]["of"]
    again = client.get(f"/api/variants/{laid}/fit/places", params={"revision": revision, "of": [one]}).json()
    assert [p["of"] for p in again["places"]] == [one]


def test_a_search_for_all_places_is_a_job_that_finds_the_same(client: TestClient, laid: str) -> None:
    url = f"/api/variants/{laid}/fit"
    assert client.get(f"{url}/found").json() == {"job": None, "revision": None, "run": None}
    revision = client.get(f"/api/variants/{laid}").json()["revision"]
    ended = waited(client, client.post(f"{url}/jobs").json()["id"])
    assert (ended["state"], ended["kind"], ended["whole"]) == ("done", "places", 100)
    found = client.get(f"{url}/found").json()
    assert found["revision"] == revision
    assert found["run"] == client.get(f"{url}/places", params={"revision": revision}).json()


def test_a_table_goes_out_and_comes_in_again(client: TestClient, laid: str) -> None:
    text = client.get(f"/api/variants/{laid}/export/places.csv").text
    rows = list(csv.DictReader(io.StringIO(text.lstrip("\ufeff"))))
    box = next(r for r in rows if r["key"] == "own:box")
    assert (box["x m"], box["mass kg"]) == ("1.0", "12.0")
    read = client.post(f"/api/variants/{laid}/fit/table", json={"text": text.replace(",1.0,-0.2,0.0,", ",1.75,-0.2,0.0,")}).json()
    taken = [x for x in read["lines"] if x["status"] == "taken"]
    assert len(taken) == 1 and taken[0]["op"]["value"]["x_m"] == 1.75
    say(client, laid, *(x["op"] for x in taken))
    assert client.get(f"/api/variants/{laid}").json()["design"]["fit"]["places"][0]["x_m"] == 1.75


def test_where_a_thing_is_when_opened_goes_out_and_stays_in_a_table_that_doesnt_say(client: TestClient, laid: str) -> None:
    say(client, laid, put("/fit/places/0/open", {"x_m": 1.0, "y_m": 0.9, "z_m": 0.2}))

    def taken(text: str) -> Any:
        lines = client.post(f"/api/variants/{laid}/fit/table", json={"text": text}).json()["lines"]
        return lines[0]["op"]["value"]["open"] if lines[0]["status"] == "taken" else lines[0]["problem"]

    rows = list(csv.DictReader(io.StringIO(client.get(f"/api/variants/{laid}/export/places.csv").text.lstrip("\ufeff"))))
    assert [next(r for r in rows if r["key"] == "own:box")[f"open {axis} m"] for axis in "xyz"] == ["1.0", "0.9", "0.2"]
    assert taken("key;x m;y m\nown:box;2;0") == {"x_m": 1.0, "y_m": 0.9, "z_m": 0.2}
    assert taken("key;x m;y m;open x m;open y m;open z m\nown:box;2;0;2;1.1;") == {"x_m": 2.0, "y_m": 1.1, "z_m": 0.0}
    assert taken("key;x m;y m;open x m;open y m;open z m\nown:box;2;0;;;") is None
    assert taken("key;x m;y m;open x m;open y m;open z m\nown:box;2;0;2;;") == "open y is missing"


@pytest.mark.parametrize(
    ("line", "words"),
    [
        ("Unicorn;1;0;0;0", "has no “Unicorn”"),
        ("Box;1;;0;0", "y is missing"),
        ("Box;1;0;0;45", "square"),
        ("Box;far;0;0;0", "far"),
        ("Box;900;0;0;0", "at most 25"),
    ],
)
def test_a_line_that_can_not_be_is_said(client: TestClient, laid: str, line: str, words: str) -> None:
    read = client.post(f"/api/variants/{laid}/fit/table", json={"text": f"thing;x m;y m;z m;turned deg\n{line}\nBox;1.2;0;0;90"}).json()
    assert read["lines"][0]["status"] == "wrong" and words in read["lines"][0]["problem"]
    assert read["lines"][1]["status"] == "taken"


def test_a_table_without_places_is_refused(client: TestClient, laid: str) -> None:
    answer = client.post(f"/api/variants/{laid}/fit/table", json={"text": "thing;colour\nBox;red"})
    assert answer.status_code == 422 and "x m" in answer.json()["error"]["message"]


def test_drawings_are_to_scale(client: TestClient, laid: str) -> None:
    svg = client.get(f"/api/variants/{laid}/export/layout.svg").text
    width, view = re.search(r"width='([\d.]+)mm'", svg), re.search(r"viewBox='0 0 ([\d.]+)", svg)
    assert width is not None and view is not None and width[1] == view[1], "one unit is a millimetre"
    bar = re.search(r"id='bar'><line x1='([\d.]+)' x2='([\d.]+)'", svg)
    assert bar is not None and float(bar[2]) - float(bar[1]) == 100
    assert re.search(r"<rect [^>]*width='25.00' height='20.00'", svg), "0.5 × 0.4 m at 1 : 20"
    doc = read_dxf(io.StringIO(client.get(f"/api/variants/{laid}/export/layout.dxf").text))
    assert doc.units == 4
    lines = [e for e in doc.modelspace() if e.dxf.layer == "BAR"]
    assert lines[0].dxf.end.x - lines[0].dxf.start.x == pytest.approx(100)
    boxes = [e for e in doc.modelspace().query("LWPOLYLINE") if e.dxf.layer == "THINGS"]
    assert {round(p[0]) for p in boxes[0].get_points()} == {1000, 1500}


def test_a_workbook_goes_out_whose_places_come_in(client: TestClient, laid: str) -> None:
    data = client.get(f"/api/variants/{laid}/export/layout.xlsx").content
    answer = client.post("/api/table/xlsx", content=data, headers=OWN)
    assert answer.status_code == 200, answer.text
    text = answer.json()["text"]
    read = client.post(f"/api/variants/{laid}/fit/table", json={"text": text}).json()
    assert [x["op"]["value"]["of"] for x in read["lines"] if x["status"] == "taken"] == ["own:box"]


def test_parts_against_a_gap(client: TestClient) -> None:
    found = client.get("/api/fit/gap", params={"x": 0.6, "y": 0.4, "z": 0.4}).json()
    assert any(p["fits"] for p in found)
    refused = client.get("/api/fit/gap", params={"x": -1, "y": 0.4, "z": 0.4})
    assert refused.status_code == 422 and refused.json()["error"]["key"] == "x"


def test_masses_and_ways_go_out(client: TestClient, laid: str) -> None:
    masses = client.get(f"/api/variants/{laid}/export/masses.csv").text
    assert "own:box" in masses and masses.startswith("\ufeffwhat,key,mass kg")
    assert client.get(f"/api/variants/{laid}/export/ways.csv").status_code == 200


def test_the_roof_is_laid_out_and_a_template_comes_in_every_form(client: TestClient, variant_id: str) -> None:
    fan = {"id": "fan", "name": "Roof fan", "kind": "fan", "zone": "roof", "power_w": 30.0, "hours_per_day": 4.0}
    say(client, variant_id, put("/life/appliances", [fan]))
    at = f"/api/variants/{variant_id}/fit"
    early = client.get(f"{at}/template/svg", params={"of": "fan:fan"})
    assert early.status_code == 422 and "no spot on the roof" in early.json()["error"]["message"]
    revision = client.get(f"/api/variants/{variant_id}").json()["revision"]
    made = client.get(f"{at}/roof", params={"revision": revision}).json()
    assert made["laid"] == 1 and made["why"] and made["source"][0]["method"] == "roof.packing"
    assert patch(client, variant_id, revision, *made["patch"]).status_code == 200
    svg = client.get(f"{at}/template/svg", params={"of": "fan:fan"})
    assert svg.status_code == 200 and re.search(r"width='476.00mm'", svg.text), svg.text[:200]
    dxf = read_dxf(io.StringIO(client.get(f"{at}/template/dxf", params={"of": "fan:fan", "below": True}).text))
    assert {"CUT", "CENTRE", "PILOT", "BAR", "TEXT"} <= {e.dxf.layer for e in dxf.modelspace()}
    pdf = client.get(f"{at}/template/pdf", params={"of": "fan:fan"})
    assert pdf.headers["content-type"] == "application/pdf" and pdf.content.startswith(b"%PDF")
    none = client.get(f"{at}/template/svg", params={"of": "fan:none"})
    assert none.status_code == 422 and "fan:none" in none.json()["error"]["message"]


def test_a_hole_in_the_floor_has_its_template_too(client: TestClient, variant_id: str) -> None:
    say(client, variant_id, put("/fit/sides/own", [{"id": "drop", "name": "Drop vent", "kind": "drop_vent"}]))
    at = f"/api/variants/{variant_id}/fit/template"
    early = client.get(f"{at}/svg", params={"of": "hole:drop"})
    assert early.status_code == 422 and "isn’t set out" in early.json()["error"]["message"]
    cut = {"of": "hole:drop", "face": "floor", "u_m": 1.0, "v_m": 0.2, "length_mm": 60, "height_mm": 60, "radius_mm": 30}
    say(client, variant_id, put("/fit/sides/cuts", [cut]))
    svg = client.get(f"{at}/svg", params={"of": "hole:drop"})
    assert svg.status_code == 200 and re.search(r"width='180.00mm'", svg.text) and "200 mm to the left of the centre line" in svg.text
    assert client.get(f"{at}/pdf", params={"of": "hole:drop", "below": True}).content.startswith(b"%PDF")
    none = client.get(f"{at}/svg", params={"of": "hole:none"})
    assert none.status_code == 422 and "in a wall or in the floor" in none.json()["error"]["message"]


def test_a_roof_that_can_not_be_is_refused_with_its_field(client: TestClient, variant_id: str) -> None:
    for path, value, word in (
        ("/fit/roof/crown_mm", -1, "crown_mm"),
        ("/fit/roof/bonding/bead_width_mm", 0, "bead_width_mm"),
        ("/fit/roof/spots", [{"of": "nonsense", "x_m": 0, "y_m": 0}], "of"),
    ):
        revision = client.get(f"/api/variants/{variant_id}").json()["revision"]
        answer = patch(client, variant_id, revision, put(path, value))
        assert answer.status_code == 422 and word in answer.text
