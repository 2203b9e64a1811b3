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


# --- stock and quotes


def test_what_is_in_stock_is_written_down_and_not_bought(client: TestClient, planned: str) -> None:
    stock = {"id": "s", "line": "power-bank", "name": "Bank", "amount": 1, "unit": "", "place": "shed"}
    say(client, planned, {"op": "add", "path": "/facts/stock/-", "value": stock})
    line = next(x for x in build(client, planned)["shopping"] if x["key"] == "power-bank")
    assert (line["status"], line["in_stock"], line["order_by"]) == ("stock", 1.0, None)
    for bad, key in (({**stock, "id": "t", "amount": 0}, "amount"), ({**stock, "id": "t", "unit": "ell"}, "unit"), (stock, "id")):
        refused = patch(client, planned, client.get(f"/api/variants/{planned}").json()["revision"], {"op": "add", "path": "/facts/stock/-", "value": bad})
        assert refused.status_code == 422 and key in refused.text


def quotes_of(client: TestClient, id: str, text: str) -> dict[str, Any]:
    answer = client.post(f"/api/variants/{id}/build/quotes", params={"today": DAY}, json={"text": text})
    assert answer.status_code == 200, answer.text
    return answer.json()  # type: ignore[no-any-return]


def test_the_list_goes_out_is_filled_in_and_comes_back(client: TestClient, planned: str) -> None:
    at = f"/api/variants/{planned}/build/file"
    rows = list(csv.reader(io.StringIO(client.get(f"{at}/shopping.csv", params={"today": DAY}).content.decode("utf-8-sig"))))
    price, days, who = (rows[0].index(x) for x in ("quoted price", "days to deliver", "supplier"))
    bank = next(r for r in rows if r[rows[0].index("key")] == "power-bank")
    bank[price], bank[days], bank[who] = "812,50", "12", "The battery shop"
    out = io.StringIO()
    csv.writer(out).writerows(rows)
    read = quotes_of(client, planned, out.getvalue())
    assert (read["taken"], read["wrong"]) == (1, 0)
    line = next(x for x in read["lines"] if x["status"] == "taken")
    assert line["quote"] == {
        "id": "power-bank",
        "supplier": "The battery shop",
        "price": 812.5,
        "lead_days": 12,
        "in_stock": None,
        "until": "",
        "pack": bank[rows[0].index("packs")],
        "on": DAY,
    }
    say(client, planned, {"op": "add", "path": "/facts/quotes/-", "value": line["quote"]})
    kept = next(x for x in build(client, planned)["shopping"] if x["key"] == "power-bank")
    assert kept["price"] == 812.5 and kept["quote"]["lead_days"] == 12
    again = list(csv.reader(io.StringIO(client.get(f"{at}/shopping.csv", params={"today": DAY}).content.decode("utf-8-sig"))))
    assert next(r for r in again if "power-bank" in r)[price] == "812.5"


@pytest.mark.parametrize(
    ("line", "why"),
    [
        ("Moon dust;5;1", "the shopping list has no “Moon dust”"),
        ("power-bank;cheap;1", "cheap"),
        ("power-bank;-5;1", "a price of -5 can’t be"),
        ("power-bank;5;soon", "soon"),
        ("power-bank;5;900", "no number of days from 0 to 365"),
    ],
)
def test_a_line_of_quotes_that_says_nothing_is_told_where_it_stands(client: TestClient, planned: str, line: str, why: str) -> None:
    read = quotes_of(client, planned, f"key;quoted price;days\n{line}\n")
    assert (read["taken"], read["wrong"], read["lines"][0]["number"]) == (0, 1, 2)
    assert why in read["lines"][0]["problem"].replace("−", "-")


def test_a_table_without_prices_or_names_is_refused(client: TestClient, planned: str) -> None:
    for text, key in (("key;colour\npower-bank;red\n", "columns"), ("colour;price\nred;3\n", "columns"), ("   ", "text")):
        refused = client.post(f"/api/variants/{planned}/build/quotes", params={"today": DAY}, json={"text": text})
        assert refused.status_code == 422 and refused.json()["error"]["key"] == key
    twice = quotes_of(client, planned, "key;price\npower-bank;5\npower-bank;6\n")
    assert (twice["taken"], twice["wrong"]) == (1, 1) and "earlier line" in twice["lines"][1]["problem"]


def test_nobody_to_ask_is_said_with_what_to_do(client: TestClient, planned: str, app: Any, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setitem(app.state._state, "supplier_url", "http://127.0.0.1:9")
    gone = client.get(f"/api/variants/{planned}/build/quotes", params={"today": DAY})
    assert gone.status_code == 503 and gone.json()["error"]["key"] == "quotes" and "bring it back as a table" in gone.json()["error"]["message"]
