"""Water over HTTP: any set of taps opened, edits that are refused by name, sums, and what a remedy brings."""

from __future__ import annotations

from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.api.test_variants import patch, put
from tests.core.water.test_water_rules import GREY, MAIN, PUMP, SHOWER, SINK, TANK


@pytest.fixture
def wet(client: TestClient, variant_id: str) -> str:
    """A variant with tanks, a pump, a sink and a shower."""
    say(client, variant_id, put("/water/tanks", [TANK, GREY]), put("/water/pump", PUMP), put("/water/runs", [MAIN, SINK, SHOWER]))
    return variant_id


def say(client: TestClient, id: str, *ops: dict[str, Any]) -> Any:
    """An edit on the newest revision."""
    answer = patch(client, id, client.get(f"/api/variants/{id}").json()["revision"], *ops)
    assert answer.status_code == 200, answer.text
    return answer.json()


def taps(client: TestClient, id: str, *open_: str) -> Any:
    revision = client.get(f"/api/variants/{id}").json()["revision"]
    return client.get(f"/api/variants/{id}/taps", params={"revision": revision, "open": list(open_)})


def test_taps_are_opened_in_any_set(client: TestClient, wet: str) -> None:
    shut, one, both = (taps(client, wet, *x).json() for x in ((), ("shower",), ("shower", "sink", "shower")))
    assert shut["total_l_min"] == 0
    assert one["flow_l_min"]["sink"] == 0
    assert both["open"] == ["shower", "sink"]
    assert both["flow_l_min"]["shower"] < one["flow_l_min"]["shower"]
    assert both["total_l_min"] == pytest.approx(both["flow_l_min"]["shower"] + both["flow_l_min"]["sink"])
    assert both["flow_l_min"]["main"] == pytest.approx(both["total_l_min"])
    assert both["end_kpa"]["main"] < both["pump_kpa"]
    assert both["pump_a"] == pytest.approx(both["total_l_min"] * both["pump_kpa"] / (60 * 0.35 * 12.8), rel=0.02)


def test_a_tap_that_is_none_and_a_missing_pump_are_named(client: TestClient, wet: str) -> None:
    answer = taps(client, wet, "main")
    assert answer.status_code == 422
    assert answer.json()["error"]["key"] == "open"
    assert "outlets are shower, sink" in answer.json()["error"]["message"]
    say(client, wet, put("/water/pump", None))
    assert taps(client, wet, "sink").json()["error"]["key"] == "pump"


def test_the_report_holds_water_and_a_remedy_ends_its_finding(client: TestClient, wet: str) -> None:
    say(client, wet, put("/water/tanks/0/vent_mm", None))
    state = client.get(f"/api/variants/{wet}").json()
    assert state["report"]["water"]["tanks"]["fresh"]["full_l"] == pytest.approx(108)
    f = next(f for f in state["report"]["findings"] if f["rule"] == "water-vent-missing")
    say(client, wet, *f["fix"]["patch"])
    after = client.get(f"/api/variants/{wet}").json()
    assert not [x for x in after["report"]["findings"] if x["rule"] == "water-vent-missing"]


def test_a_figure_of_water_opens_down_to_what_was_typed(client: TestClient, wet: str) -> None:
    revision = client.get(f"/api/variants/{wet}").json()["revision"]
    found = client.get(f"/api/variants/{wet}/working", params={"revision": revision, "key": "water/pump_current_a"}).json()
    assert found["water/pump_current_a"]["expression"] == "Q·p/(60·η·U)"
    assert {i["name"] for i in found["water/pump_current_a"]["inputs"]} >= {"flow_l_min", "pressure_kpa"}


def test_edits_that_can_not_be_are_refused_and_nothing_is_kept(client: TestClient, wet: str) -> None:
    revision = client.get(f"/api/variants/{wet}").json()["revision"]
    for ops, key in (
        ([{"op": "replace", "path": "/water/runs/0/parent", "value": "sink"}], "parent"),
        ([{"op": "replace", "path": "/water/tanks/0/prisms/0/length_m", "value": -1}], "length_m"),
        ([{"op": "remove", "path": "/water/runs/0"}], "parent"),
    ):
        answer = patch(client, wet, revision, *ops)
        assert answer.status_code == 422
        assert answer.json()["error"]["key"] == key
    assert client.get(f"/api/variants/{wet}").json()["revision"] == revision


def test_the_sums_of_water_and_gas_are_offered(client: TestClient) -> None:
    fields = {c["name"]: c["field"] for c in client.get("/api/calculators").json()}
    assert sum(f == "water" for f in fields.values()) == 16
    assert sum(f == "gas" for f in fields.values()) == 9
