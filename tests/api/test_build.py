"""Build over HTTP: the plan of a day, the finish, files, the log that changes the plan, and what is refused."""

from __future__ import annotations

import csv
import io
from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.api.test_fit import say
from tests.api.test_variants import patch, put
from tests.designs import BANK

DAY = "2027-03-06"


@pytest.fixture
def planned(client: TestClient, variant_id: str) -> str:
    """A variant with a bank and a lamp, to be built at weekends."""
    say(client, variant_id, put("/power/bank", BANK), put("/build/start_day", DAY))
    return variant_id


def build(client: TestClient, id: str, day: str = DAY) -> dict[str, Any]:
    answer = client.get(f"/api/variants/{id}/build", params={"today": day})
    assert answer.status_code == 200, answer.text
    return answer.json()  # type: ignore[no-any-return]


def log(task: str, hours: float = 2.0, done: float = 1.0, id: str = "one") -> dict[str, Any]:
    return {"op": "add", "path": "/facts/log/-", "value": {"id": id, "task": task, "name": "Work", "on": DAY, "hours": hours, "done_frac": done}}


def test_a_plan_begins_on_its_first_day_and_the_log_moves_it_on(client: TestClient, planned: str) -> None:
    b = build(client, planned)
    assert b["start"] == DAY and b["end"] > DAY and b["bound"] <= b["end"]
    assert b["now"]["tasks"][0] == "plan-weigh-empty"
    say(client, planned, log("plan-weigh-empty"))
    after = build(client, planned)
    assert "plan-weigh-empty" not in after["now"]["tasks"] and "strip-out" in after["now"]["tasks"]
    assert next(t for t in after["tasks"] if t["id"] == "plan-weigh-empty")["state"] == "done"
    assert after["curve"]["spent"][-1] == 2.0


def test_the_finish_is_simulated(client: TestClient, planned: str) -> None:
    made = client.get(f"/api/variants/{planned}/build/fan", params={"today": DAY})
    assert made.status_code == 200, made.text
    f = made.json()
    assert f["p10"] <= f["p50"] <= f["p80"] <= f["p95"] and f["runs"] >= 100
    assert f["chance"] is None
    say(client, planned, put("/build/deadline", "2099-01-01"))
    assert client.get(f"/api/variants/{planned}/build/fan", params={"today": DAY}).json()["chance"] == 1.0


def test_files_hold_the_list_and_the_plan(client: TestClient, planned: str) -> None:
    at = f"/api/variants/{planned}/build/file"
    rows = list(csv.reader(io.StringIO(client.get(f"{at}/shopping.csv", params={"today": DAY}).content.decode("utf-8-sig"))))
    b = build(client, planned)
    assert len(rows) == 1 + len(b["shopping"]) and rows[0][0] == "what"
    plan = list(csv.reader(io.StringIO(client.get(f"{at}/plan.csv", params={"today": DAY}).content.decode("utf-8-sig"))))
    assert len(plan) == 1 + len(b["tasks"])
    assert client.get(f"{at}/shopping.xlsx", params={"today": DAY}).content[:2] == b"PK"
    ics = client.get(f"{at}/plan.ics", params={"today": DAY})
    assert ics.headers["content-type"].startswith("text/calendar")
    lines = ics.text.split("\r\n")
    assert lines[0] == "BEGIN:VCALENDAR" and lines[-2] == "END:VCALENDAR"
    assert all(len(x.encode()) <= 75 for x in lines)
    assert sum(x == "BEGIN:VEVENT" for x in lines) == sum(len(t["pieces"]) for t in b["tasks"])


@pytest.mark.parametrize("day", ["soon-after", "2027-02-30", "1066-10-14"])
def test_a_day_that_is_none_is_refused(client: TestClient, planned: str, day: str) -> None:
    answer = client.get(f"/api/variants/{planned}/build", params={"today": day})
    assert answer.status_code == 422 and "today" in answer.text


@pytest.mark.parametrize(
    ("path", "value", "word"),
    [
        ("/build/deadline", "2020-01-01", "deadline"),
        ("/build/start_day", "tomorrow", "start_day"),
        ("/build/people", [{"id": "a", "name": "A", "hours": "own"}], "sessions"),
        ("/build/people", [{"id": "a", "name": "A", "hours": "own", "sessions": [{"weekday": 1, "from_h": 8, "to_h": 20}]}], "to_h"),
        ("/build/own", [{"id": "a", "name": "A", "hours": 1, "after": ["own-b"]}, {"id": "b", "name": "B", "hours": 1, "after": ["own-a"]}], "after"),
        ("/build/own", [{"id": "a", "name": "A", "hours": 9999}], "hours"),
        ("/build/pins", [{"task": "strip-out", "day": DAY}, {"task": "strip-out", "day": DAY}], "task"),
        ("/build/away", [{"id": "a", "name": "A", "first": "2027-05-02", "last": "2027-05-01"}], "last"),
    ],
)
def test_a_plan_that_can_not_be_is_refused_with_its_field(client: TestClient, planned: str, path: str, value: Any, word: str) -> None:
    revision = client.get(f"/api/variants/{planned}").json()["revision"]
    answer = patch(client, planned, revision, put(path, value))
    assert answer.status_code == 422 and word in answer.text


def test_a_waiver_has_a_name(client: TestClient, planned: str) -> None:
    revision = client.get(f"/api/variants/{planned}").json()["revision"]
    no = patch(client, planned, revision, {"op": "add", "path": "/facts/seen/-", "value": {"id": "ceiling:rust", "waived": "no time"}})
    assert no.status_code == 422 and "who" in no.text
    say(client, planned, {"op": "add", "path": "/facts/seen/-", "value": {"id": "ceiling:rust", "waived": "no time", "who": "Bo"}})
    gate = next(g for g in build(client, planned)["gates"] if g["zone"] == "ceiling")
    assert next(x for x in gate["items"] if x["id"] == "ceiling:rust")["severity"] == "advice"
