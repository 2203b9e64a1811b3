"""Warmth over HTTP: tables to choose from, proposals, workings, edits that are refused by name, and what a remedy would bring."""

from __future__ import annotations

from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.api.test_variants import patch, put
from tests.core.warmth.test_warmth_rules import FOAM, HEATER, PLY, RUN


def warmth(client: TestClient, id: str) -> dict[str, Any]:
    return dict(client.get(f"/api/variants/{id}").json()["design"]["warmth"])


def test_materials_and_build_ups_are_offered_with_what_they_do(client: TestClient) -> None:
    materials = {m["key"]: m for m in client.get("/api/materials").json()}
    assert len(materials) == 34
    assert materials["sheep_wool"] | {"notes": ""} == {
        "key": "sheep_wool",
        "name": "Sheep wool",
        "conductivity_w_mk": 0.038,
        "density_kg_m3": 20,
        "mu": 2,
        "notes": "",
    }
    builds = {b["build_up"]["id"]: b for b in client.get("/api/build-ups").json()}
    assert builds["foam-bonded"]["u_w_m2k"] == pytest.approx(1.33, abs=0.01)
    assert [b for b, x in builds.items() if x["floor"]] == ["floor-board", "floor-thin"]


def test_heaters_and_coolers_are_in_the_catalogue(client: TestClient) -> None:
    parts = [p for p in client.get("/api/catalogue").json() if p["kind"] in ("heater", "cooler")]
    assert {p["data"].get("heater_kind") for p in parts if p["kind"] == "heater"} == {"air", "combined", "coolant", "electric", "stove"}
    assert all(p["data"]["capacity_w"] / p["data"]["eer"] < 1500 for p in parts if p["kind"] == "cooler")


def test_a_bare_vehicle_is_fitted_out_by_group(client: TestClient, variant_id: str) -> None:
    patch(client, variant_id, 1, put("/life/place", "inverness")).raise_for_status()
    r = client.put(f"/api/variants/{variant_id}/proposals", json={"groups": ["insulation", "vents", "heater"]}, headers={"If-Match": "2"})
    assert r.status_code == 200, r.text
    assert r.json()["taken"] == ["insulation", "screens", "vents", "heater"]
    w = warmth(client, variant_id)
    assert w["heaters"][0]["by"] == "proposal"
    assert len(w["vents"]) == 4, "high, low, a fan and what opens under it"
    undone = client.post(f"/api/variants/{variant_id}/undo", headers={"If-Match": "3"})
    assert undone.status_code == 200
    assert warmth(client, variant_id)["heaters"] == []


def test_the_working_of_a_figure_of_warmth_goes_back_to_what_was_typed(client: TestClient, curlew_id: str) -> None:
    w = client.get(f"/api/variants/{curlew_id}/working", params={"revision": 1, "key": "surfaces/right/heat_w"}).json()
    assert w["surfaces/right/heat_w"]["expression"] == "1/(1/U + R_extra)·A·b·(T_i − T_e)"
    origins = {i["name"]: i["origin"] for i in w["surfaces/right/heat_w"]["inputs"]}
    assert origins["indoor_temp_c"] == "typed"
    assert origins["outdoor_temp_c"] == "assumed"


@pytest.mark.parametrize(
    ("ops", "words"),
    [
        ([put("/warmth/night_temp_c", 99.0)], "warmth.night_temp_c: must be at most 30"),
        ([put("/warmth/heaters/0/min_w", 9000.0)], "warmth.heaters[0].min_w: must be at most the largest output"),
        ([put("/warmth/ducts/0/parent", "table")], "branches off itself"),
        ([put("/warmth/build_ups/0/layers/0/thickness_mm", 0.0)], "warmth.build_ups[0].layers[0].thickness_mm: must be at least 0.01"),
        ([put("/warmth/surfaces/0/build_up", "ghost")], "does not exist"),
        ([{"op": "add", "path": "/warmth/ducts/-", "value": {**RUN, "id": "trunk"}}], "must be unique"),
    ],
)
def test_an_edit_that_can_not_be_is_refused_and_nothing_changes(client: TestClient, curlew_id: str, ops: list[dict[str, Any]], words: str) -> None:
    before = warmth(client, curlew_id)
    r = patch(client, curlew_id, 1, *ops)
    assert r.status_code == 422
    assert words in r.text
    assert warmth(client, curlew_id) == before


def test_a_change_of_warmth_sends_warmth_and_not_the_wiring(client: TestClient, curlew_id: str) -> None:
    change = patch(client, curlew_id, 1, put("/warmth/leak_per_h", 2.0)).json()["change"]
    assert "warmth" in change["sections"]
    assert "wiring" not in change["sections"]
    assert "warmth/heat_loss_w" in change["figures"]


def test_a_remedy_is_looked_at_before_it_is_taken(client: TestClient, curlew_id: str) -> None:
    ops = [
        {"op": "add", "path": "/warmth/build_ups/-", "value": {"id": "new", "name": "New", "layers": [PLY, FOAM]}},
        put("/warmth/surfaces/3/build_up", "new"),
    ]
    r = client.post(f"/api/variants/{curlew_id}/preview", json={"ops": ops}, headers={"If-Match": "1"})
    assert r.status_code == 200, r.text
    rules = {f["rule"] for f in r.json()["change"]["sections"]["findings"]}
    assert "warm-interstitial" not in rules
    assert len(warmth(client, curlew_id)["build_ups"]) == 5


def test_warmth_goes_with_the_project_file_and_comes_back(client: TestClient, curlew_id: str) -> None:
    project = client.get("/api/projects").json()[0]["id"]
    file = client.get(f"/api/projects/{project}/file")
    assert file.status_code == 200
    back = client.post("/api/projects/import", json={"text": file.text})
    assert back.status_code in (200, 201), back.text
    other = next(p for p in client.get("/api/projects").json() if p["id"] != project)
    assert warmth(client, other["variants"][0]["id"]) == warmth(client, curlew_id)


def test_a_calculator_of_warmth_answers_with_its_working(client: TestClient) -> None:
    r = client.post("/api/calc/heater-size/working", json={"ua_w_k": 50, "design_outdoor_temp_c": -8, "heater_max_w": 2000})
    assert r.json()["output"]["load_w"] == 1400
    assert r.json()["working"]["needed_w"]["expression"] == "load·(1+margin)"
    bad = client.post(
        "/api/calc/duct-network", json={"fan_pressure_max_pa": 200, "fan_flow_max_m3_h": 90, "heater_power_w": 900, "runs": [{**RUN, "open": False}]}
    )
    assert bad.status_code == 422
    assert (
        "would overheat"
        in client.post(
            "/api/calc/duct-network",
            json={
                "fan_pressure_max_pa": 200,
                "fan_flow_max_m3_h": 90,
                "heater_power_w": 900,
                "runs": [{"name": "a", "diameter_mm": 60, "length_m": 1, "open": False}],
            },
        ).text
    )


def test_a_trip_says_what_the_heater_burns(client: TestClient, curlew_id: str) -> None:
    state = client.get(f"/api/variants/{curlew_id}").json()
    run = client.get(f"/api/variants/{curlew_id}/trip", params={"revision": state["revision"]}).json()
    assert 4 < run["warm"]["diesel_l"] < 40
    assert len(run["rh"]["p50"]) == len(run["soc"]["p50"])
    assert HEATER["max_w"] == 4000.0
