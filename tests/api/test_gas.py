"""Gas over HTTP: edits and what they move, refusals by name, workings, undo, the trip with its gas, and a project carried over as a file."""

from __future__ import annotations

from typing import Any

import pytest
from starlette.testclient import TestClient

from bothy.core.design.gas import Gas
from bothy.core.gas.pipework import marks
from tests.api.test_variants import patch, put
from tests.api.test_water import say
from tests.core.gas.test_gas_rules import CYLINDER, GAS, HOB, MAIN, TO_HOB, WARMTH


@pytest.fixture
def gassed(client: TestClient, variant_id: str) -> str:
    """A variant with a sound gas system and no test yet."""
    say(client, variant_id, put("/warmth/vents", WARMTH["vents"]), put("/warmth/alarms", WARMTH["alarms"]), put("/gas", GAS))
    return variant_id


def state(client: TestClient, id: str) -> Any:
    return client.get(f"/api/variants/{id}").json()


def rules(client: TestClient, id: str) -> set[str]:
    return {f["rule"] for f in state(client, id)["report"]["findings"] if f["stage"] == "gas"}


def refused(client: TestClient, id: str, *ops: dict[str, Any]) -> Any:
    """The error of an edit that can't be."""
    answer = patch(client, id, state(client, id)["revision"], *ops)
    assert answer.status_code == 422, answer.text
    return answer.json()["error"]


def test_a_sound_system_lacks_only_its_test(client: TestClient, gassed: str) -> None:
    assert rules(client, gassed) == {"gas-test-missing"}
    gas = state(client, gassed)["report"]["gas"]
    assert gas["law"]["licensed_only"] is False
    assert gas["pipes"]["ok"] is True
    assert gas["pipes"]["runs"]["to-hob"]["end_mbar"] == pytest.approx(30 - gas["pipes"]["worst_mbar"])
    assert gas["marks"] == marks(Gas.model_validate(GAS))


def test_a_test_counts_until_something_it_proved_is_changed(client: TestClient, gassed: str) -> None:
    now = state(client, gassed)["report"]["gas"]["marks"]
    test = {"id": "t", "start_mbar": 150.0, "end_mbar": 150.0, "isolated": True, "signed": True, "system": now}
    say(client, gassed, {"op": "add", "path": "/facts/gas_tests/-", "value": test})
    assert rules(client, gassed) == set()
    say(client, gassed, put("/gas/pipes/0/length_m", 3.5))
    assert rules(client, gassed) == {"gas-test-missing"}
    answer = client.post(f"/api/variants/{gassed}/undo", headers={"If-Match": str(state(client, gassed)["revision"])})
    assert answer.status_code == 200, answer.text
    assert rules(client, gassed) == set()
    assert state(client, gassed)["recorded"]["facts"]["gas_tests"][0]["system"] == now


@pytest.mark.parametrize(
    ("path", "value", "key", "words"),
    [
        ("/gas/vessels/0/capacity_kg", -3.0, "capacity_kg", "at least"),
        ("/gas/vessels/0/fill_limit_frac", 0.9, "fill_limit_frac", "0.85"),
        ("/gas/pipes/0/parent", "to-hob", "parent", "leads back to itself"),
        ("/gas/pipes/1/appliance", "oven", "appliance", "does not exist"),
        ("/gas/locker/vents/0/width_mm", None, "width_mm", "required"),
        ("/gas/gas", "hydrogen", "gas", "propane"),
        ("/gas/coldest_c", -80.0, "coldest_c", "-40"),
        ("/facts/gas_tests", [{"id": "t", "start_mbar": 150.0}], "end_mbar", "required"),
        ("/gas/appliances/0/kind", "campfire", "kind", "hob_burner"),
        ("/gas/regulator/capacity_kg_h", 0.0, "capacity_kg_h", "at least"),
    ],
)
def test_what_can_not_be_is_refused_and_nothing_is_changed(client: TestClient, gassed: str, path: str, value: Any, key: str, words: str) -> None:
    before = state(client, gassed)
    error = refused(client, gassed, put(path, value))
    assert error["key"].split(".")[-1] == key
    assert words in error["message"]
    after = state(client, gassed)
    assert (after["revision"], after["design"]) == (before["revision"], before["design"])


def test_an_appliance_is_not_taken_out_from_under_its_pipe(client: TestClient, gassed: str) -> None:
    error = refused(client, gassed, {"op": "remove", "path": "/gas/appliances/0"})
    assert "feeds the appliance “hob”" in error["message"]
    say(client, gassed, put("/gas/pipes/1/appliance", None), {"op": "remove", "path": "/gas/appliances/0"})
    assert state(client, gassed)["report"]["gas"]["pipes"] is None


def test_every_figure_of_gas_has_its_working(client: TestClient, gassed: str) -> None:
    s = state(client, gassed)
    keys = [k for k in s["report"]["figures"] if k.startswith(("gas/", "vessels/"))]
    assert {"gas/total_kg_day", "gas/autonomy_days", "gas/worst_mbar", "vessels/six/continuous_kg_h"} <= set(keys)
    for key in keys:
        answer = client.get(f"/api/variants/{gassed}/working", params={"key": key, "revision": s["revision"]})
        assert answer.status_code == 200, (key, answer.text)
        assert answer.json()[key]["value"] == s["report"]["figures"][key]["value"]


def test_a_second_cylinder_doubles_the_days_and_says_what_it_weighs(client: TestClient, gassed: str) -> None:
    one = state(client, gassed)["report"]["gas"]
    say(client, gassed, put("/gas/vessels/0/count", 2))
    two = state(client, gassed)["report"]["gas"]
    assert two["days"] == pytest.approx(2 * one["days"])
    assert two["full_mass_kg"] == pytest.approx(2 * (CYLINDER["capacity_kg"] + CYLINDER["tare_kg"]))


def test_a_remedy_can_be_looked_at_before_it_is_taken(client: TestClient, gassed: str) -> None:
    say(client, gassed, put("/gas/pipes", [{**MAIN, "inner_diameter_mm": 4.0, "length_m": 4.0}, TO_HOB]))
    found = next(f for f in state(client, gassed)["report"]["findings"] if f["rule"] == "gas-pipe-drop-high")
    say(client, gassed, *found["fix"]["patch"])
    gas = state(client, gassed)["report"]["gas"]
    assert gas["pipes"]["worst_mbar"] <= gas["pipes"]["limit_mbar"]
    assert "gas-pipe-drop-high" not in rules(client, gassed)


def test_gas_is_carried_over_with_its_project(client: TestClient, gassed: str) -> None:
    project = state(client, gassed)["project_id"]
    told = client.get(f"/api/projects/{project}/file")
    assert told.status_code == 200, told.text
    made = client.post("/api/projects/import", json={"text": told.text})
    assert made.status_code == 201, made.text
    listed = client.get("/api/projects").json()
    copies = [v["id"] for p in listed for v in p["variants"] if v["id"] != gassed]
    assert any(state(client, id)["design"]["gas"] == state(client, gassed)["design"]["gas"] for id in copies)


def test_appliances_from_the_region_where_only_the_trade_may(client: TestClient, gassed: str) -> None:
    say(client, gassed, put("/region", "au"), put("/gas/installer", "owner"))
    gas = state(client, gassed)["report"]["gas"]
    assert gas["law"]["licensed_only"] is True
    assert gas["nominal_mbar"] == 30  # as typed at the regulator
    assert "gas-licence-required" in rules(client, gassed)
    say(client, gassed, put("/gas/regulator/nominal_mbar", None), put("/gas/appliances", [{**HOB, "nominal_mbar": 27.5}]))
    gas = state(client, gassed)["report"]["gas"]
    assert (gas["nominal_mbar"], gas["limit_mbar"], gas["test_mbar"]) == (27.5, 2.5, 70)
