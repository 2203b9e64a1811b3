"""Readings over HTTP: entries of the evidence, no revisions; never undone, refused where the variant isn't being built, sent twice taken once."""

from __future__ import annotations

import uuid
from typing import Any

from fastapi.testclient import TestClient

from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import entries_between
from bothy.demo import curlew

PUMP = "water-pump-10-l-min"
FACTS = curlew.facts()
AT = next(i for i, r in enumerate(FACTS.readings) if r.circuit == PUMP)
NUMBER = len(entries_between(Facts(), FACTS))
"""How many entries the demo begins with."""
READ = sum(r.current_a is not None for r in FACTS.readings)


def state(client: TestClient, id: str) -> Any:
    return client.get(f"/api/variants/{id}").json()


def send(client: TestClient, id: str, *ops: Any, **headers: str) -> Any:
    return client.patch(f"/api/variants/{id}", json={"ops": list(ops)}, headers={"If-Match": "1", **headers})


def amps(client: TestClient, id: str, value: Any, **headers: str) -> Any:
    return send(client, id, {"op": "replace", "path": f"/facts/readings/{AT}/current_a", "value": value}, **headers)


def test_a_reading_is_taken_down_without_a_revision(client: TestClient, curlew_id: str) -> None:
    before = state(client, curlew_id)
    assert before["recorded"] == {"building": True, "building_name": "as planned", "number": NUMBER, "facts": curlew.facts().model_dump(mode="json")}
    r = amps(client, curlew_id, 9.5)
    body = r.json()
    assert (r.status_code, body["revision"], body["can_undo"]) == (200, 1, False)
    assert (body["recorded"]["number"], body["recorded"]["facts"]["readings"][AT]["current_a"]) == (NUMBER + 1, 9.5)
    assert body["change"]["sections"].keys() >= {"prove"}
    after = state(client, curlew_id)
    assert after["design"] == before["design"]
    row = next(x for x in after["report"]["prove"]["rows"] if x["circuit"] == PUMP)
    assert (row["judged_revision"], row["outdated"]) == (1, False)
    newest = client.get(f"/api/variants/{curlew_id}/evidence").json()[0]
    assert (newest["number"], newest["corrects"], newest["subject"], newest["payload"]["current_a"], newest["revision"]) == (NUMBER + 1, AT + 1, PUMP, 9.5, 1)


def test_undo_and_redo_leave_it(client: TestClient, curlew_id: str) -> None:
    send(client, curlew_id, {"op": "replace", "path": "/life/people", "value": 3}).raise_for_status()
    amps(client, curlew_id, 9.5, **{"If-Match": "2"}).raise_for_status()
    undone = client.post(f"/api/variants/{curlew_id}/undo", headers={"If-Match": "2", "Facts-Match": str(NUMBER + 1)}).json()
    assert undone["design"]["life"]["people"] == 2
    assert undone["recorded"]["facts"]["readings"][AT]["current_a"] == 9.5
    assert state(client, curlew_id)["report"]["prove"]["read"] == READ


def test_the_same_entry_sent_twice_is_taken_once(client: TestClient, curlew_id: str) -> None:
    edit = {"Edit-Id": str(uuid.uuid4())}
    first, again = amps(client, curlew_id, 9.5, **edit).json(), amps(client, curlew_id, 9.5, **edit).json()
    assert first["recorded"] == again["recorded"]
    assert first["recorded"]["number"] == NUMBER + 1


def test_one_made_on_older_facts_is_told_what_changed(client: TestClient, curlew_id: str) -> None:
    amps(client, curlew_id, 9.5).raise_for_status()
    r = amps(client, curlew_id, 4.4, **{"Facts-Match": str(NUMBER)})
    assert (r.status_code, r.json()["changed"]) == (412, [f"/facts/readings/{PUMP}/current_a"])
    assert r.json()["error"]["key"] == "facts"
    plan = send(client, curlew_id, {"op": "replace", "path": "/life/people", "value": 3}, **{"Facts-Match": str(NUMBER)})
    assert plan.status_code == 412, "its report would miss the reading"
    assert state(client, curlew_id)["revision"] == 1


def test_a_plan_that_is_not_built_takes_no_readings(client: TestClient, curlew_id: str) -> None:
    copied = client.post(f"/api/variants/{curlew_id}/copy", json={"name": "bigger bank"}).json()["id"]
    there = state(client, copied)
    assert there["recorded"] == {"building": False, "building_name": "as planned", "number": 0, "facts": {k: [] for k in there["recorded"]["facts"]}}
    assert there["report"]["prove"]["read"] == 0
    r = send(client, copied, {"op": "add", "path": "/facts/readings/-", "value": {"circuit": PUMP, "current_a": 5.0}})
    assert (r.status_code, r.json()["error"]["key"]) == (409, "building")
    assert "as planned" in r.json()["error"]["message"]
    assert client.put(f"/api/variants/{copied}/building").status_code == 204
    assert state(client, copied)["report"]["prove"]["read"] == READ
    assert state(client, curlew_id)["report"]["prove"]["read"] == 0


def test_what_does_not_hold_is_refused_whole(client: TestClient, curlew_id: str) -> None:
    for ops, status, key in (
        ([{"op": "replace", "path": f"/facts/readings/{AT}/current_a", "value": "much"}], 422, "current_a"),
        ([{"op": "replace", "path": "/facts/readings/99/current_a", "value": 1.0}], 409, "patch"),
        ([{"op": "add", "path": "/facts/secrets", "value": 1}], 422, "secrets"),
        ([{"op": "add", "path": "/facts/readings/-", "value": {"circuit": PUMP}}], 422, "id"),
        ([{"op": "replace", "path": f"/facts/readings/{AT}/current_a", "value": 1.0}, {"op": "replace", "path": "/life/people", "value": 3}], 422, "ops"),
    ):
        r = send(client, curlew_id, *ops)
        assert (r.status_code, r.json()["error"]["key"]) == (status, key), r.text
    assert state(client, curlew_id)["recorded"]["number"] == NUMBER
    shown = client.post(
        f"/api/variants/{curlew_id}/preview",
        json={"ops": [{"op": "replace", "path": f"/facts/readings/{AT}/current_a", "value": 9.5}]},
        headers={"If-Match": "1"},
    )
    assert "prove" in shown.json()["change"]["sections"]
    assert state(client, curlew_id)["recorded"]["number"] == NUMBER, "a look takes nothing down"


def test_the_project_file_carries_the_evidence(client: TestClient, curlew_id: str) -> None:
    amps(client, curlew_id, 9.5).raise_for_status()
    project = client.get("/api/projects").json()[0]["id"]
    file = client.get(f"/api/projects/{project}/file")
    again = client.post("/api/projects/import", json={"text": file.text}).json()
    theirs, mine = state(client, again["variant_id"]), state(client, curlew_id)
    assert theirs["recorded"] == mine["recorded"]
    assert theirs["report"]["prove"] == mine["report"]["prove"]
    entries = client.get(f"/api/variants/{again['variant_id']}/evidence").json()
    assert entries == client.get(f"/api/variants/{curlew_id}/evidence").json()
