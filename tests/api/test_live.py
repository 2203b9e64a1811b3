"""Live over HTTP: a scene from the trip, stand-ins that are heard, failures put in and taken out, alarms seen; nobody there is said."""

from __future__ import annotations

from typing import Any

from starlette.testclient import TestClient

from bothy.core.live.scene import Scene
from tests.devices.test_live import StandIn, stand, until  # noqa: F401  the fixture


def lane(client: TestClient, id: str, key: str) -> dict[str, Any]:
    found: list[dict[str, Any]] = client.get(f"/api/variants/{id}/live").json()["lanes"]
    return next(x for x in found if x["key"] == key)


def test_the_scene_follows_from_the_design(client: TestClient, curlew_id: str) -> None:
    scene = Scene.model_validate(client.get(f"/api/variants/{curlew_id}/live/scene").json())
    assert scene.name == "Curlew"
    assert {"shunt-1", "solar-1", "cabin-1"} <= set(scene.devices())
    assert client.get("/api/variants/00000000-0000-0000-0000-000000000000/live/scene").status_code == 404


def test_stand_ins_are_heard_spoilt_and_mended(client: TestClient, curlew_id: str, stand: tuple[StandIn, int]) -> None:  # noqa: F811
    made, port = stand
    client.app.state.lives.port = port  # type: ignore[attr-defined]
    until(lambda: lane(client, curlew_id, "voltage_v")["value"] is not None)
    part = client.get(f"/api/variants/{curlew_id}/live").json()
    assert (part["connected"], part["simulated"], part["port"]) == (True, True, port)
    assert all(x["simulated"] for x in part["lanes"])
    assert client.post(f"/api/variants/{curlew_id}/live/failure", json={"device": "shunt-1", "key": "voltage_v", "offset": 5.0}).status_code == 204
    assert made.failures["shunt-1", "voltage_v"].offset == 5.0
    until(lambda: lane(client, curlew_id, "voltage_v")["value"] > 16)
    assert client.delete(f"/api/variants/{curlew_id}/live/failure").status_code == 204
    assert made.failures == {}
    wrong = client.post(f"/api/variants/{curlew_id}/live/failure", json={"device": "toaster", "offset": 5.0})
    assert (wrong.status_code, wrong.json()["error"]["key"]) == (422, "device")
    unseen = client.post(f"/api/variants/{curlew_id}/live/seen", json={"alarm": "frost"})
    assert (unseen.status_code, unseen.json()["error"]["key"]) == (422, "alarm")
    facts = client.get(f"/api/variants/{curlew_id}").json()["recorded"]["number"]
    assert facts == client.get(f"/api/variants/{curlew_id}").json()["recorded"]["number"], "nothing live is taken down"


def test_nobody_there_is_said(client: TestClient, curlew_id: str) -> None:
    client.app.state.lives.port = 1  # type: ignore[attr-defined]
    part = client.get(f"/api/variants/{curlew_id}/live").json()
    assert part["connected"] is False
    assert all(x["value"] is None and x["state"] == "dropout" for x in part["lanes"])
    r = client.post(f"/api/variants/{curlew_id}/live/failure", json={"device": "shunt-1", "offset": 1.0})
    assert r.status_code == 422
    assert "./bothy devices" in r.json()["error"]["message"]
