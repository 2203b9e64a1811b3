"""Searches, side by side and copies with a change over HTTP; a job of each kind by itself."""

from __future__ import annotations

from typing import Any

import pytest
from starlette.testclient import TestClient

from bothy.core.design.document import Design, load_design
from bothy.core.sizing.compare import side_by_side
from bothy.core.sizing.search import search
from bothy.core.sound import sound
from bothy.demo import curlew
from bothy.store.projects import Projects
from tests.api.test_trips import waited


def small() -> Design:
    """Curlew on a short trip, searched over few parts."""
    data = curlew.design().model_dump(mode="json")
    data["trips"]["legs"] = [{"id": "a", "place": "edinburgh", "days_count": 4}, {"id": "b", "place": "cardiff", "days_count": 2, "drive_h": 4.0}]
    data["trips"]["draw_count"] = 8
    data["sizing"] = {"panels_most": 2, "chemistries": ["agm"]}
    return load_design(data)


@pytest.fixture
def small_id(engine: Any, client: TestClient) -> str:
    Projects(engine).create("Curlew", [("as planned", sound(small())), ("other", sound(curlew.design()))], "test")
    return str(client.get("/api/projects").json()[0]["variants"][0]["id"])


def test_a_search_is_a_job_that_leaves_the_cores_answer(client: TestClient, small_id: str) -> None:
    url = f"/api/variants/{small_id}/sizing"
    assert client.get(url).json() == {"job": None, "revision": None, "run": None}
    job = client.post(f"{url}/jobs")
    assert job.status_code == 202
    ended = waited(client, job.json()["id"])
    assert (ended["state"], ended["kind"], ended["done"], ended["whole"]) == ("done", "sizing", 1000, 1000)
    kept = client.get(url).json()
    assert kept["revision"] == 1
    assert kept["run"] == search(small()).model_dump(mode="json")


def test_a_search_does_not_stand_in_the_way_of_a_run(client: TestClient, small_id: str) -> None:
    one = client.post(f"/api/variants/{small_id}/sizing/jobs").json()["id"]
    two = client.post(f"/api/variants/{small_id}/trip/jobs").json()["id"]
    assert waited(client, one)["state"] == waited(client, two)["state"] == "done"
    assert client.get(f"/api/variants/{small_id}/trip/thorough").json()["run"]["day_count"] == 6


def test_a_found_set_becomes_a_variant_in_one_call(client: TestClient, small_id: str) -> None:
    run = search(small())
    found = next(s for s in run.front if s.shown)
    made = client.post(f"/api/variants/{small_id}/copy", json={"name": "found", "ops": found.patch})
    assert made.status_code == 201
    state = client.get(f"/api/variants/{made.json()['id']}").json()
    assert state["name"] == "found"
    assert state["revision"] == 1
    for op in found.patch:
        assert state["design"]["power"][op["path"].split("/")[-1]] == op["value"]
    assert client.get(f"/api/variants/{small_id}").json()["design"]["power"]["bank"]["name"] == "House bank, 3 × 200 Ah", "the first stays as it was"


def test_a_copy_whose_change_cannot_be_made_is_not_made_at_all(client: TestClient, small_id: str) -> None:
    bad = client.post(f"/api/variants/{small_id}/copy", json={"name": "bad", "ops": [{"op": "replace", "path": "/power/bank/unit_charge_ah", "value": -3}]})
    assert bad.status_code == 422
    assert bad.json()["error"]["key"] == "unit_charge_ah"
    assert [v["name"] for v in client.get("/api/projects").json()[0]["variants"]] == ["as planned", "other"]


def test_a_search_without_a_trip_says_what_is_missing(client: TestClient, variant_id: str) -> None:
    r = client.post(f"/api/variants/{variant_id}/sizing/jobs")
    assert r.status_code == 422
    assert r.json()["error"]["key"] == "legs"


def test_a_search_that_finds_nothing_to_choose_fails_in_words(client: TestClient, small_id: str) -> None:
    client.patch(
        f"/api/variants/{small_id}", json={"ops": [{"op": "replace", "path": "/sizing/makers", "value": ["Nobody"]}]}, headers={"If-Match": "1"}
    ).raise_for_status()
    ended = waited(client, client.post(f"/api/variants/{small_id}/sizing/jobs").json()["id"])
    assert ended["state"] == "failed"
    assert "leaves no set at all" in ended["error"]


def test_side_by_side_is_the_cores_with_the_projects_other_variants(client: TestClient, small_id: str) -> None:
    r = client.get(f"/api/variants/{small_id}/beside", params={"revision": 1})
    assert r.status_code == 200
    other = client.get("/api/projects").json()[0]["variants"][1]
    assert r.json() == side_by_side(small(), [(other["id"], "other", curlew.design())], 8).model_dump(mode="json")
    assert r.json()["rows"][-1]["kind"] == "variant"


def test_side_by_side_without_a_bank_says_so(client: TestClient, variant_id: str) -> None:
    ops = [
        {"op": "add", "path": "/trips/legs/-", "value": {"id": "a", "place": "london"}},
        {"op": "replace", "path": "/trips/start_date", "value": "2026-06-01"},
    ]
    client.patch(f"/api/variants/{variant_id}", json={"ops": ops}, headers={"If-Match": "1"}).raise_for_status()
    r = client.get(f"/api/variants/{variant_id}/beside", params={"revision": 2})
    assert r.status_code == 422
    assert r.json()["error"]["key"] == "bank"
