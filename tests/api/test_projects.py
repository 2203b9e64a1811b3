"""The list of projects, the project file over HTTP, and what stands beside a project."""

from __future__ import annotations

import json
from typing import Any

import pytest
from starlette.testclient import TestClient

from bothy.core.calculators import CALCULATORS
from bothy.core.design.fields import field_keys
from bothy.demo import curlew
from bothy.formats import project_file


def test_a_project_is_made_listed_renamed_put_away_and_taken_back(client: TestClient) -> None:
    made = client.post("/api/projects", json={"name": " Tern ", "region": "us", "preset": "bus"})
    assert made.status_code == 201
    id = made.json()["id"]
    listed = client.get("/api/projects").json()
    assert [(p["name"], p["demo"], len(p["variants"])) for p in listed] == [("Tern", False, 1)]
    design = client.get(f"/api/variants/{listed[0]['variants'][0]['id']}").json()["design"]
    assert (design["region"], design["vehicle"]["preset"]) == ("us", "bus")
    assert client.patch(f"/api/projects/{id}", json={"name": "Knot"}).status_code == 204
    assert client.get("/api/projects").json()[0]["name"] == "Knot"
    assert client.delete(f"/api/projects/{id}").status_code == 204
    assert client.get("/api/projects").json() == []
    assert client.delete(f"/api/projects/{id}").status_code == 404
    assert client.post(f"/api/projects/{id}/restore").status_code == 204
    assert len(client.get("/api/projects").json()) == 1


@pytest.mark.parametrize(
    ("body", "key"),
    [
        ({}, "name"),
        ({"name": ""}, "name"),
        ({"name": "   "}, "name"),
        ({"name": "x" * 121}, "name"),
        ({"name": 3}, "name"),
        ({"name": "x", "region": "mars"}, "region"),
        ({"name": "x", "preset": "rocket"}, "preset"),
    ],
)
def test_a_project_that_cannot_be_made_names_the_field(client: TestClient, body: dict[str, Any], key: str) -> None:
    r = client.post("/api/projects", json=body)
    assert r.status_code == 422
    assert r.json()["error"]["key"] == key
    assert client.get("/api/projects").json() == []


def test_the_project_file_goes_out_and_in_the_same(client: TestClient, curlew_id: str) -> None:
    project = client.get("/api/projects").json()[0]["id"]
    r = client.get(f"/api/projects/{project}/file")
    assert r.headers["content-type"] == "application/json"
    assert "Curlew.bothy.json" in r.headers["content-disposition"]
    assert project_file.read(r.text).variants[0].design == curlew.design()
    again = client.post("/api/projects/import", json={"text": r.text})
    assert again.status_code == 201
    second = client.get(f"/api/projects/{again.json()['id']}/file")
    assert second.text.replace('"name": "Curlew 2"', '"name": "Curlew"', 1) == r.text, "the same but for its name, which was taken"
    assert again.json()["variant_id"] != curlew_id


def test_a_project_is_copied_with_what_was_measured_or_as_another_vehicle(client: TestClient, curlew_id: str) -> None:
    was = client.get(f"/api/variants/{curlew_id}").json()
    project = was["project_id"]
    entries = client.get(f"/api/variants/{curlew_id}/evidence").json()
    whole = client.post(f"/api/projects/{project}/copy", json={})
    assert whole.status_code == 201
    copied = client.get(f"/api/variants/{whole.json()['variant_id']}").json()
    assert copied["project_name"] == f"{was['project_name']} 2" and copied["project_id"] != project
    assert copied["design"] == was["design"] and copied["recorded"]["facts"] == was["recorded"]["facts"]
    assert len(client.get(f"/api/variants/{copied['id']}/evidence").json()) == len(entries) > 0
    new = client.post(f"/api/projects/{project}/copy", json={"name": "Whimbrel", "facts": False}).json()
    anew = client.get(f"/api/variants/{new['variant_id']}").json()
    assert anew["project_name"] == "Whimbrel"
    assert client.get(f"/api/variants/{anew['id']}/evidence").json() == [], "nothing was measured on it"
    d, old = anew["design"], was["design"]
    for same in ("vehicle", "life", "power", "wiring", "warmth", "water", "gas", "trips", "sizing"):
        assert d[same] == old[same], same
    assert (d["build"]["deadline"], d["build"]["baseline"], d["build"]["visits"], d["accepted"]) == (None, None, [], [])
    assert old["build"]["deadline"] and d["build"]["people"] and d["build"]["budgets"] == old["build"]["budgets"]
    assert (d["handover"]["owner"], d["handover"]["where"]) == ("", {})
    assert client.get(f"/api/variants/{curlew_id}").json()["revision"] == was["revision"], "the first stays as it was"
    assert client.post(f"/api/projects/{project}/copy", json={"name": "  "}).json()["error"]["key"] == "name"
    assert client.post(f"/api/projects/{curlew_id}/copy", json={}).status_code == 404


@pytest.mark.parametrize(("text", "words"), [("", "is empty"), ("{", "is not JSON"), ('{"format": "x"}', "not a Bothy project file")])
def test_a_file_that_is_none_is_refused_and_nothing_is_made(client: TestClient, text: str, words: str) -> None:
    r = client.post("/api/projects/import", json={"text": text})
    assert r.status_code == 422
    assert words in r.json()["error"]["message"]
    assert client.get("/api/projects").json() == []


def test_the_schema_of_the_project_file_is_published(client: TestClient) -> None:
    assert client.get("/api/schema/project.json").json() == json.loads(json.dumps(project_file.schema()))


def test_calculators_come_with_contract_example_and_words(client: TestClient) -> None:
    listed = client.get("/api/calculators").json()
    assert [c["name"] for c in listed] == list(CALCULATORS)
    for c in listed:
        for key in [*c["example"], *c["input_schema"]["properties"]]:
            assert c["words"][key]["label"]


@pytest.mark.parametrize("name", list(CALCULATORS))
def test_a_calculator_answers_over_http_as_it_does_in_the_core(client: TestClient, name: str) -> None:
    example = CALCULATORS[name].example
    plain = client.post(f"/api/calc/{name}", json=example)
    assert plain.status_code == 200
    worked = client.post(f"/api/calc/{name}/working", json=example).json()
    assert worked["output"] == plain.json()
    for key, figure in worked["working"].items():
        if "~" not in key:
            name, _, entry = key.partition("/")
            assert figure["value"] == (plain.json()[name][entry] if entry else plain.json()[name])


@pytest.mark.parametrize(
    ("name", "body", "status", "key"),
    [
        ("wire-size", b'{"current_a": -1, "length_m": 3}', 422, "current_a"),
        ("wire-size", b'{"current_a": NaN, "length_m": 3}', 422, "current_a"),
        ("wire-size", b"not json", 422, "input"),
        ("wire-size", b"[]", 422, "input"),
        ("teapot", b"{}", 422, "calc"),
        ("wire-size", b'{"current_a": 6, "length_m": 3, "colour": 1}', 422, "colour"),
    ],
)
def test_bad_input_over_http_names_the_key(client: TestClient, name: str, body: bytes, status: int, key: str) -> None:
    r = client.post(f"/api/calc/{name}", content=body, headers={"content-type": "application/json"})
    assert r.status_code == status
    assert r.json()["error"]["key"] == key, r.text
    assert set(r.json()) == {"error"}


def test_quantities_are_read(client: TestClient) -> None:
    ok = client.post("/api/quantity", json={"text": "5A @ 12 V", "dimension": "power"}).json()
    assert ok["value"] == 60
    bad = client.post("/api/quantity", json={"text": "blue", "dimension": "power"})
    assert bad.status_code == 422
    assert "write for example" in bad.json()["error"]["message"]


def test_places_parts_and_regions(client: TestClient) -> None:
    assert len(client.get("/api/places").json()) >= 40
    listed = client.get("/api/catalogue").json()
    assert len(listed) >= 80
    assert all((p["fields"] is not None) == (p["kind"] == "appliance") for p in listed)
    assert {r["key"] for r in client.get("/api/regions").json()} == {"uk", "eu", "us", "au"}


def test_appliance_lists_are_previewed(client: TestClient) -> None:
    made = client.post("/api/appliances/preview", json={"text": "name;power\nLamp;5 W\nTea;hot"}).json()
    assert (made["taken"], made["wrong"]) == (1, 1)
    cell = client.post("/api/appliances/cell", json={"field": "power", "text": "5 A @ 12 V", "appliance": {"power_w": 3, "hours_per_day": 1}}).json()
    assert cell["fields"]["current_a"] == 5


def test_every_field_of_a_design_has_a_name_and_its_unit(client: TestClient) -> None:
    names = client.get("/api/labels").json()
    assert set(names) == field_keys()
    assert names["unit_mass_kg"] == {"label": "mass of one", "unit": "kg"}
    assert names["coverage_frac"]["unit"] == "%"
    assert names["tray"]["unit"] == ""
    assert all(n["label"] and "_" not in n["label"] for n in names.values())


def test_what_a_name_may_not_hold_is_said_in_our_words(client: TestClient) -> None:
    refused = client.post("/api/projects", json={"name": "a\u0007b"})
    assert refused.status_code == 422
    assert refused.json()["error"]["plain"] == "Name holds U+0007 at character 2, which is no letter or sign; take it out"
