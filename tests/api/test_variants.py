"""Variants over HTTP: edits, conflicts, undo, proposals, exports."""

from __future__ import annotations

import csv
import io
import json
import subprocess
from pathlib import Path
from typing import Any

import pytest
from openpyxl import load_workbook
from starlette.testclient import TestClient

from bothy.api import printing
from bothy.core.report import report
from bothy.core.wiring.lists import bench_lists
from bothy.demo import curlew
from bothy.demo.load import demo_of

OWN = {"origin": "http://127.0.0.1:8080"}
LAMP = {"id": "lamp", "name": "Lamp", "kind": "light", "power_w": 12, "hours_per_day": 4}


def patch(client: TestClient, id: str, revision: int | str, *ops: dict[str, Any], message: str = "edit") -> Any:
    return client.patch(f"/api/variants/{id}", json={"ops": list(ops), "message": message}, headers={"If-Match": str(revision)})


def put(path: str, value: Any) -> dict[str, Any]:
    return {"op": "replace", "path": path, "value": value}


def test_a_variant_comes_with_its_report_and_tag(client: TestClient, curlew_id: str) -> None:
    r = client.get(f"/api/variants/{curlew_id}")
    body = r.json()
    assert r.headers["etag"] == '"1"'
    assert (body["project_name"], body["name"], body["revision"], body["can_undo"], body["can_redo"]) == ("Curlew", "as planned", 1, False, False)
    assert body["design"] == curlew.design().model_dump(mode="json")
    assert body["report"] == demo_of(curlew)[0].report.plain()


def test_an_edit_answers_with_the_new_revision_and_what_changed(client: TestClient, curlew_id: str) -> None:
    old = client.get(f"/api/variants/{curlew_id}").json()
    i = next(i for i, c in enumerate(old["design"]["wiring"]["circuits"]) if c["id"] == "front-fridge-90-l")
    r = patch(client, curlew_id, 1, put(f"/wiring/circuits/{i}/length_m", 3.0))
    assert r.status_code == 200
    body = r.json()
    assert (body["revision"], body["can_undo"], body["can_redo"]) == (2, True, False)
    change = body["change"]
    assert "circuits/front-fridge-90-l/drop_v" in change["figures"]
    assert "circuits/lights-kitchen/drop_v" not in change["figures"]
    new = client.get(f"/api/variants/{curlew_id}").json()
    figures = {k: v for k, v in old["report"]["figures"].items() if k not in change["gone"]} | change["figures"]
    assert {**old["report"], **change["sections"], "figures": figures} == new["report"]


def test_a_change_can_be_looked_at_before_it_is_made(client: TestClient, curlew_id: str) -> None:
    state = client.get(f"/api/variants/{curlew_id}").json()
    i = next(i for i, c in enumerate(state["design"]["wiring"]["circuits"]) if c["id"] == "front-fridge-90-l")
    url, ops = f"/api/variants/{curlew_id}/preview", [put(f"/wiring/circuits/{i}/area_mm2", 16.0)]
    change = client.post(url, json={"ops": ops}, headers={"If-Match": "1"}).json()["change"]
    assert "wire-drop-over-limit:front-fridge-90-l" not in {f["id"] for f in change["sections"]["findings"]}
    made = patch(client, curlew_id, 1, *ops).json()
    assert made["change"] == change, "what was shown is what happens"
    assert made["revision"] == 2, "looking made no revision"
    assert client.post(url, json={"ops": ops}, headers={"If-Match": "1"}).status_code == 412
    wrong = client.post(url, json={"ops": [put("/life/people", -1)]}, headers={"If-Match": "2"})
    assert (wrong.status_code, wrong.json()["error"]["key"]) == (422, "people")
    assert wrong.json()["error"]["plain"].startswith("People must")
    short = client.post(url, json={"ops": [put("/wiring/circuits/0/length_m", -1)]}, headers={"If-Match": "2"}).json()["error"]
    assert short["key"] == "length_m"
    assert short["plain"].startswith("Length must be"), "a field is told by its name beside its key"


def test_the_lists_for_the_bench_and_their_workbook(client: TestClient, curlew_id: str) -> None:
    lists = client.get(f"/api/variants/{curlew_id}/lists").json()
    design = curlew.design()
    wiring = report(design).wiring
    assert lists == bench_lists(design, wiring.circuits, wiring.raceways, wiring.others, curlew.facts()).model_dump(mode="json")
    book = load_workbook(io.BytesIO(client.get(f"/api/variants/{curlew_id}/export/lists.xlsx").content))
    assert book.sheetnames == ["Labels", "Cable", "Terminals", "Fuses", "Relays", "Conduits", "Loops"]
    assert book["Loops"].max_row == 1 + len(lists["loops"])
    assert book["Labels"]["C2"].value == "; ".join(lists["labels"][0]["wires"])


def test_a_working_is_told_for_the_revision_that_is_asked(client: TestClient, curlew_id: str) -> None:
    """The fridge's drop, before and after its cable was measured; the inputs lead on to their own workings."""
    old = client.get(f"/api/variants/{curlew_id}").json()
    i = next(i for i, c in enumerate(old["design"]["wiring"]["circuits"]) if c["id"] == "front-fridge-90-l")
    patch(client, curlew_id, 1, put(f"/wiring/circuits/{i}/length_m", 3.0)).raise_for_status()
    key = "circuits/front-fridge-90-l/resistance_mohm"

    def asked(revision: int, key: str = key) -> Any:
        return client.get(f"/api/variants/{curlew_id}/working", params={"revision": revision, "key": key})

    before, after = asked(1).json(), asked(2).json()
    cable = before[before[key]["inputs"][0]["key"]]
    assert {i["name"]: i["value"] for i in cable["inputs"]}["length_m"] == old["design"]["wiring"]["circuits"][i]["length_m"]
    assert after[key]["value"] < before[key]["value"] == old["report"]["figures"][key]["value"]
    for bad in (asked(1, "nothing/here"), asked(99)):
        assert bad.status_code == 404
        assert bad.json()["error"]["message"]


@pytest.mark.parametrize(
    ("ops", "status", "key", "words"),
    [
        ([put("/life/people", -1)], 422, "people", "at least 1"),
        ([put("/life/people", "two")], 422, "people", "whole number"),
        ([put("/region", "mars")], 422, "region", "must be one of"),
        ([put("/life/appliances/0/power_w", 40000)], 422, "power_w", "at most 15000"),
        ([put("/wiring/circuits/0/length_m", 900)], 422, "length_m", "at most 100"),
        ([put("/life/appliances/0/name", "x" * 10000)], 422, "name", "at most 120"),
        ([{"op": "remove", "path": "/life/appliances/0"}], 422, "appliances", "does not exist"),
        ([put("/life/appliances/99/name", "x")], 409, "patch", "does not fit"),
        ([{"op": "test", "path": "/life/people", "value": 9}], 409, "patch", "no longer there"),
        ([{"op": "paint", "path": "/life"}], 422, "op", "ops.0.op"),
        ([], 422, "ops", "ops"),
    ],
)
def test_an_edit_that_does_not_hold_changes_nothing(client: TestClient, curlew_id: str, ops: list[Any], status: int, key: str, words: str) -> None:
    r = patch(client, curlew_id, 1, *ops)
    assert r.status_code == status, r.text
    assert r.json()["error"]["key"] == key
    assert words in r.json()["error"]["message"]
    after = client.get(f"/api/variants/{curlew_id}").json()
    assert after["revision"] == 1
    assert after["design"] == curlew.design().model_dump(mode="json")


def test_a_stale_edit_gets_what_changed_meanwhile(client: TestClient, curlew_id: str) -> None:
    patch(client, curlew_id, 1, put("/life/people", 3)).raise_for_status()
    patch(client, curlew_id, 2, put("/life/appliances/0/name", "Cold store")).raise_for_status()
    r = patch(client, curlew_id, 1, put("/life/people", 4))
    assert r.status_code == 412
    body = r.json()
    assert body["head"] == 3
    assert set(body["changed"]) == {"/life/people", "/life/appliances/fridge/name"}
    assert "revision 3" in body["error"]["message"]


@pytest.mark.parametrize("value", ["", "abc", "-1", "1.5", "*"])
def test_if_match_must_be_a_revision(client: TestClient, variant_id: str, value: str) -> None:
    r = patch(client, variant_id, value, put("/life/people", 3))
    assert r.status_code == 422
    assert r.json()["error"]["key"] == "If-Match"


def test_if_match_is_asked_for_and_may_be_quoted(client: TestClient, variant_id: str) -> None:
    bare = client.patch(f"/api/variants/{variant_id}", json={"ops": [put("/life/people", 3)]})
    assert bare.status_code == 422
    assert bare.json()["error"]["key"].lower() == "if-match"
    assert patch(client, variant_id, '"1"', put("/life/people", 3)).status_code == 200


def test_undo_and_redo_over_http(client: TestClient, variant_id: str) -> None:
    for i, n in enumerate((3, 4), 1):
        patch(client, variant_id, i, put("/life/people", n)).raise_for_status()

    def step(direction: str, revision: int) -> Any:
        return client.post(f"/api/variants/{variant_id}/{direction}", headers={"If-Match": str(revision)})

    one = step("undo", 3).json()
    assert (one["revision"], one["design"]["life"]["people"], one["can_undo"], one["can_redo"]) == (4, 3, True, True)
    two = step("undo", 4).json()
    assert (two["design"]["life"]["people"], two["can_undo"]) == (None, False)
    nothing = step("undo", 5)
    assert nothing.status_code == 409
    assert "nothing to undo" in nothing.json()["error"]["message"]
    again = step("redo", 5).json()
    assert (again["design"]["life"]["people"], again["revision"]) == (3, 6)
    assert step("redo", 2).status_code == 412
    assert step("sideways", 6).status_code == 422


def test_proposals_are_listed_and_taken(client: TestClient, variant_id: str) -> None:
    patch(client, variant_id, 1, {"op": "add", "path": "/life/appliances/-", "value": LAMP}).raise_for_status()
    listed = client.get(f"/api/variants/{variant_id}/proposals").json()
    assert {"bank", "solar"} <= {p["group"] for p in listed}
    r = client.put(f"/api/variants/{variant_id}/proposals", json={"groups": ["bank"]}, headers={"If-Match": "2"})
    assert r.json()["taken"] == ["bank"]
    rest = client.put(f"/api/variants/{variant_id}/proposals", json={}, headers={"If-Match": "3"}).json()
    assert "circuit:lights-living-and-cab" in rest["taken"]
    none = client.put(f"/api/variants/{variant_id}/proposals", json={}, headers={"If-Match": "4"})
    assert none.status_code == 422
    assert "nothing to take" in none.json()["error"]["message"]
    assert client.put(f"/api/variants/{variant_id}/proposals", json={}, headers={"If-Match": "1"}).status_code == 412
    history = client.get(f"/api/variants/{variant_id}/history").json()
    assert [h["number"] for h in history] == [4, 3, 2, 1]


def test_a_copy_is_a_variant_of_the_same_project(client: TestClient, variant_id: str) -> None:
    made = client.post(f"/api/variants/{variant_id}/copy", json={"name": "lead bank"})
    assert made.status_code == 201
    assert [v["name"] for v in client.get("/api/projects").json()[0]["variants"]] == ["as planned", "lead bank"]
    assert client.post(f"/api/variants/{variant_id}/copy", json={"name": "  "}).status_code == 422


@pytest.mark.parametrize(
    ("kind", "media"),
    [
        ("appliances.csv", "text/csv"),
        ("circuits.csv", "text/csv"),
        ("circuits.xlsx", "application/vnd.openxmlformats"),
        ("lists.xlsx", "application/vnd.openxmlformats"),
        ("panel.svg", "image/svg+xml"),
        ("panel.dxf", "image/vnd.dxf"),
        ("diagram.svg", "image/svg+xml"),
        ("report.json", "application/json"),
    ],
)
def test_exports_come_with_a_name_and_type(client: TestClient, curlew_id: str, kind: str, media: str) -> None:
    r = client.get(f"/api/variants/{curlew_id}/export/{kind}")
    assert r.status_code == 200
    assert r.headers["content-type"].startswith(media)
    assert "attachment" in r.headers["content-disposition"]
    assert "Curlew" in r.headers["content-disposition"]
    assert len(r.content) > 500


def test_the_exported_schedule_is_the_reports(client: TestClient, curlew_id: str) -> None:
    text = client.get(f"/api/variants/{curlew_id}/export/circuits.csv").text.removeprefix("\ufeff")
    rows = list(csv.reader(io.StringIO(text)))
    assert len(rows) == 1 + len(curlew.design().wiring.circuits) + len(curlew.design().wiring.others)
    made = json.loads(client.get(f"/api/variants/{curlew_id}/export/report.json").text)
    assert made == json.loads(json.dumps(demo_of(curlew)[0].report.whole())), "with every working"


@pytest.mark.parametrize(("units", "heading"), [(None, "length one way m"), ("metric", "length one way m"), ("us", "length one way ft")])
def test_a_file_is_in_the_units_asked_for_and_comes_back(client: TestClient, curlew_id: str, units: str | None, heading: str) -> None:
    text = client.get(f"/api/variants/{curlew_id}/export/circuits.csv", params={"units": units} if units else {}).text
    assert heading in text.splitlines()[0]
    body = client.post(f"/api/variants/{curlew_id}/circuits/preview", json={"text": text}).json()
    assert (body["taken"], body["wrong"]) == (30, 0)
    assert client.get(f"/api/variants/{curlew_id}/export/circuits.csv", params={"units": "cubits"}).status_code == 422


@pytest.mark.parametrize("kind", ["diagram", "labels", "circuits", "lists", "panel"])
def test_papers_are_pdf_with_the_whole_fonts(client: TestClient, curlew_id: str, kind: str, tmp_path: Path) -> None:
    r = client.get(f"/api/variants/{curlew_id}/paper/{kind}.pdf")
    assert r.status_code == 200, r.text
    assert r.headers["content-type"] == "application/pdf"
    assert f"Curlew%20{kind}.pdf" in r.headers["content-disposition"]
    file = tmp_path / "paper.pdf"
    file.write_bytes(r.content)
    fonts = subprocess.run(["pdffonts", str(file)], check=True, capture_output=True, text=True).stdout
    assert "Inter" in fonts, "the fonts that ship with it, not what the machine has"


def test_a_paper_of_a_panel_that_is_not_there_says_what_to_do(client: TestClient, variant_id: str) -> None:
    r = client.get(f"/api/variants/{variant_id}/paper/panel.pdf")
    assert r.status_code == 422
    assert "there is no switch panel yet" in r.json()["error"]["message"]


def test_a_paper_that_cannot_be_made_says_so_and_ends_its_program(client: TestClient, curlew_id: str, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(printing, "MOST_S", 0.0)
    r = client.get(f"/api/variants/{curlew_id}/paper/labels.pdf")
    assert r.status_code == 503
    assert "print it from the browser instead" in r.json()["error"]["message"]


def test_the_diagram_of_a_revision_folds_its_boards(client: TestClient, curlew_id: str) -> None:
    url = f"/api/variants/{curlew_id}/diagram"
    whole = client.get(url, params={"revision": 1}).json()
    folded = client.get(url, params={"revision": 1, "fold": ["board:rear", "power:inverter"]}).json()
    assert folded["height"] < whole["height"]
    assert folded["folded"] == ["board:rear", "power:inverter"]
    assert client.get(url, params={"revision": 99}).status_code == 404


def test_a_table_of_circuits_is_understood_against_the_design(client: TestClient, curlew_id: str) -> None:
    url = f"/api/variants/{curlew_id}/circuits/preview"
    text = client.get(f"/api/variants/{curlew_id}/export/circuits.csv").text
    body = client.post(url, json={"text": text}).json()
    assert (body["taken"], body["wrong"]) == (30, 0)
    assert [x["match"] for x in body["lines"] if x["status"] != "empty"] == [c.id for c in curlew.design().wiring.circuits]
    assert client.post(url, json={"text": "colour;shape\nred;round"}).status_code == 422


def test_a_workbook_is_read_as_text(client: TestClient, curlew_id: str) -> None:
    book = client.get(f"/api/variants/{curlew_id}/export/circuits.xlsx").content
    text = client.post("/api/table/xlsx", content=book, headers=OWN).json()["text"]
    body = client.post(f"/api/variants/{curlew_id}/circuits/preview", json={"text": text}).json()
    assert (body["taken"], body["wrong"]) == (30, 0)
    refused = client.post("/api/table/xlsx", content=b"no workbook", headers=OWN)
    assert refused.status_code == 422
    assert "is not an XLSX workbook" in refused.json()["error"]["message"]


def test_a_variant_that_is_not_there(client: TestClient) -> None:
    nobody = "00000000-0000-0000-0000-000000000000"
    assert client.get(f"/api/variants/{nobody}").status_code == 404
    assert patch(client, nobody, 1, put("/life/people", 1)).status_code == 404
    assert client.get("/api/variants/not-an-id").status_code == 422
    assert client.get(f"/api/variants/{nobody}/export/teapot").status_code == 422


def test_a_name_with_html_is_stored_as_text(client: TestClient, variant_id: str) -> None:
    name = "<img src=x onerror=alert(1)>"
    patch(client, variant_id, 1, {"op": "add", "path": "/life/appliances/-", "value": {**LAMP, "name": name}}).raise_for_status()
    assert client.get(f"/api/variants/{variant_id}").json()["design"]["life"]["appliances"][0]["name"] == name


def test_two_variants_are_compared_whole(client: TestClient, curlew_id: str) -> None:
    other = client.post(f"/api/variants/{curlew_id}/copy", json={"name": "smaller bank", "ops": []}).json()["id"]
    client.patch(
        f"/api/variants/{other}", json={"ops": [{"op": "replace", "path": "/power/bank/parallel_count", "value": 1}]}, headers={"If-Match": "1"}
    ).raise_for_status()
    made = client.get("/api/compare", params={"a": curlew_id, "b": other}).json()
    assert (made["a"]["variant"], made["b"]["variant"], made["b"]["revision"]) == ("as planned", "smaller bank", 2)
    assert [s["path"] for s in made["differences"]["said"]] == ["/power/bank/parallel_count"]
    assert made["differences"]["figures"] and made["differences"]["found"]
    before = client.get("/api/compare", params={"a": curlew_id, "b": other, "b_revision": 1}).json()["differences"]
    assert before["said"] == [], "its first revision is the copy"
    assert client.get("/api/compare", params={"a": curlew_id, "b": "x"}).status_code == 422
    assert client.get("/api/compare", params={"a": curlew_id, "b": "00000000-0000-0000-0000-000000000000"}).status_code == 404


def test_the_last_backup_is_known_where_it_is_noted(client: TestClient, tmp_path: Path) -> None:
    assert client.get("/api/backup").json() == {"known": False, "last": None}
    note = tmp_path / "last-backup"
    client.app.state.backup_note = str(note)  # type: ignore[attr-defined]
    assert client.get("/api/backup").json() == {"known": True, "last": None}
    note.write_text("2026-11-30T12:00:00+00:00", encoding="ascii")
    assert client.get("/api/backup").json() == {"known": True, "last": "2026-11-30T12:00:00+00:00"}
