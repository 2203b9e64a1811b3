"""Nothing refused is kept: random walks and known ways to lock a project; a revision that today's code can't compute opens for repair."""

from __future__ import annotations

import json
import uuid
from typing import Any

import orjson
import pytest
from sqlalchemy import Engine, text
from starlette.testclient import TestClient

from bothy.core.sound import sound
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.store.projects import Projects
from tests.walks import Walker

EXPORTS = ("appliances.csv", "circuits.csv", "circuits.xlsx", "lists.xlsx", "diagram.svg", "report.json")


def state(client: TestClient, id: str) -> dict[str, Any]:
    answer = client.get(f"/api/variants/{id}")
    assert answer.status_code == 200, answer.text
    return dict(answer.json())


def edit(client: TestClient, id: str, revision: int, *ops: dict[str, Any]) -> Any:
    return client.patch(f"/api/variants/{id}", json={"ops": list(ops)}, headers={"if-match": str(revision)})


def put(path: str, value: Any) -> dict[str, Any]:
    return {"op": "replace", "path": path, "value": value}


def add(path: str, value: Any) -> dict[str, Any]:
    return {"op": "add", "path": path, "value": value}


HUT = {"id": "hut", "name": "Hut", "lat_deg": 60.0, "lon_deg": 5.0}
FRONT = {"id": "w1", "on": "front", "width_m": 1.0, "height_m": 0.5}
LAYERS = [{"id": "l", "name": "x", "thickness_mm": 300.0, "conductivity_w_mk": 1e-9, "mu": 1.0}]
WAYS: dict[str, list[list[dict[str, Any]]]] = {
    "a place that is nowhere": [[put("/life/place", "nowhere")]],
    "a leg to nowhere": [[add("/trips/legs/-", {"id": "a", "place": "nowhere"})]],
    "living nowhere": [[put("/trips/live", {"place": "nowhere"})]],
    "an own place that is home is removed": [[add("/trips/places/-", HUT)], [put("/life/place", "hut")], [{"op": "remove", "path": "/trips/places/0"}]],
    "an own place on a leg is removed": [
        [add("/trips/places/-", HUT)],
        [add("/trips/legs/-", {"id": "a", "place": "hut"})],
        [{"op": "remove", "path": "/trips/places/0"}],
    ],
    "a window in the front, then the cab is opened": [[put("/warmth/cab", "bulkhead")], [add("/warmth/openings/-", FRONT)], [put("/warmth/cab", "open")]],
    "a window in the front, then another vehicle": [
        [put("/vehicle/preset", "trailer")],
        [add("/warmth/openings/-", FRONT)],
        [put("/vehicle/preset", "panel_van")],
    ],
    "a bank of next to nothing": [[put("/power/bank", {"chemistry": "lifepo4", "unit_voltage_v": 12.8, "unit_charge_ah": 1e-300})]],
    "a layer that conducts next to nothing": [[add("/warmth/build_ups/-", {"id": "b", "name": "b", "layers": LAYERS})]],
    "a number beyond all": [[put("/vehicle/inside_length_m", 1e300)]],
}


@pytest.mark.parametrize("way", sorted(WAYS))
def test_no_edit_locks_a_project(client: TestClient, variant_id: str, way: str) -> None:
    for ops in WAYS[way]:
        before = state(client, variant_id)
        answer = edit(client, variant_id, before["revision"], *ops)
        after = state(client, variant_id)
        if answer.status_code != 200:
            assert answer.status_code in (409, 422), answer.text
            assert answer.json()["error"]["key"]
            assert (after["revision"], after["design"]) == (before["revision"], before["design"])
        assert after["trouble"] is None


def test_an_import_that_can_not_be_computed_leaves_nothing(client: TestClient, curlew_id: str) -> None:
    project = client.get("/api/projects").json()[0]["id"]
    file = json.loads(client.get(f"/api/projects/{project}/file").text)
    file["variants"][0]["design"]["life"]["place"] = "nowhere"
    answer = client.post("/api/projects/import", json={"text": json.dumps(file)})
    assert answer.status_code == 422
    assert "variants[0].design" in answer.json()["error"]["message"]
    assert len(client.get("/api/projects").json()) == 1


@pytest.mark.parametrize("seed", range(8))
def test_a_random_walk_never_leaves_what_can_not_be_opened(client: TestClient, engine: Engine, seed: int) -> None:
    """After each step everything of the variant answers, or the step was refused and the head is as it was."""
    design = [None, curlew.design(), fiddlehead.design(), saltbush.design()][seed % 4]
    store = Projects(engine)
    if design is None:
        client.post("/api/projects", json={"name": "Tern"}).raise_for_status()
    else:
        store.create("Walk", [("as planned", sound(design))], "test")
    id = str(client.get("/api/projects").json()[0]["variants"][0]["id"])
    walker = Walker(1000 + seed)
    taken = 0
    for step in range(14):
        before = state(client, id)
        answer = edit(client, id, before["revision"], *walker.patch(before["design"]))
        assert answer.status_code in (200, 409, 422), answer.text
        after = state(client, id)
        assert after["trouble"] is None
        if answer.status_code == 200:
            taken += 1
            assert after["revision"] == before["revision"] + 1
        else:
            assert answer.json()["error"]["key"]
            assert "can't be computed" not in answer.json()["error"]["message"], "bounds say what is wrong, not a failure of the sums"
            assert (after["revision"], after["design"]) == (before["revision"], before["design"])
        if step % 7 == 6:
            for kind in EXPORTS:
                assert client.get(f"/api/variants/{id}/export/{kind}").status_code in (200, 422), kind
            assert client.get(f"/api/variants/{id}/lists").status_code == 200
            assert client.get(f"/api/variants/{id}/proposals").status_code == 200
            trip = client.get(f"/api/variants/{id}/trip", params={"revision": after["revision"]})
            assert trip.status_code in (200, 422), trip.text
            back = client.post(f"/api/variants/{id}/undo", headers={"if-match": str(after["revision"])})
            assert back.status_code in (200, 409), back.text
    assert taken > 0


def damage(engine: Engine, id: str, number: int, change: Any) -> None:
    """Change a stored document behind the store's back, as older code or a failing disk would."""
    with engine.begin() as c:
        where = {"v": uuid.UUID(id).hex, "n": number}
        old = c.execute(text("select document from revisions where variant_id = :v and number = :n"), where).scalar_one()
        new = change if isinstance(change, str) else orjson.dumps(change(orjson.loads(old))).decode()
        assert c.execute(text("update revisions set document = :d where variant_id = :v and number = :n"), {**where, "d": new}).rowcount == 1


def nowhere(document: dict[str, Any]) -> dict[str, Any]:
    return {**document, "life": {**document["life"], "place": "atlantis"}}


@pytest.fixture
def three(client: TestClient, variant_id: str) -> str:
    """A variant with three revisions: two, three, four people."""
    for revision, people in ((1, 3), (2, 4)):
        assert edit(client, variant_id, revision, put("/life/people", people)).status_code == 200
    return variant_id


@pytest.mark.parametrize("change", [nowhere, '"not a design"'])
def test_a_damaged_head_opens_for_repair(client: TestClient, engine: Engine, three: str, change: Any) -> None:
    client.app.state.reports._items.clear()  # type: ignore[attr-defined]
    damage(engine, three, 3, change)
    s = state(client, three)
    assert s["revision"] == 3
    assert s["trouble"]["shown"] == 2
    assert s["trouble"]["reason"]
    assert s["design"]["life"]["people"] == 3
    assert s["report"]["stages"]
    assert [h["number"] for h in client.get(f"/api/variants/{three}/history").json()] == [3, 2, 1]
    raw = client.get(f"/api/variants/{three}/document.json")
    assert raw.status_code == 200
    assert ("atlantis" in raw.text) or raw.text == '"not a design"'
    project = client.get("/api/projects").json()[0]["id"]
    assert client.get(f"/api/projects/{project}/file").status_code == 200
    for kind in ("lists", "proposals", "export/report.json"):
        assert client.get(f"/api/variants/{three}/{kind}").status_code == 200


def test_an_edit_or_an_undo_goes_on_top_of_a_damaged_head(client: TestClient, engine: Engine, three: str) -> None:
    damage(engine, three, 3, nowhere)
    client.app.state.reports._items.clear()  # type: ignore[attr-defined]
    answer = edit(client, three, 3, put("/life/people", 6))
    assert answer.status_code == 200, answer.text
    s = state(client, three)
    assert (s["revision"], s["trouble"], s["design"]["life"]["people"]) == (4, None, 6)
    back = client.post(f"/api/variants/{three}/undo", headers={"if-match": "4"})
    assert back.status_code == 200
    assert back.json()["design"]["life"]["people"] == 3, "undo goes past what can't be computed"


def test_a_redo_to_what_can_not_be_computed_is_refused(client: TestClient, engine: Engine, three: str) -> None:
    assert client.post(f"/api/variants/{three}/undo", headers={"if-match": "3"}).status_code == 200
    damage(engine, three, 3, nowhere)
    answer = client.post(f"/api/variants/{three}/redo", headers={"if-match": "4"})
    assert answer.status_code == 422
    assert "atlantis" in answer.json()["error"]["message"]
    assert state(client, three)["revision"] == 4


def test_nothing_readable_at_all_still_opens(client: TestClient, engine: Engine, variant_id: str) -> None:
    damage(engine, variant_id, 1, '"gone"')
    client.app.state.reports._items.clear()  # type: ignore[attr-defined]
    s = state(client, variant_id)
    assert s["trouble"]["shown"] == 0
    assert edit(client, variant_id, 1, put("/life/people", 3)).status_code == 200
    assert state(client, variant_id)["trouble"] is None
