"""Photographs over HTTP: kept once, shown, refused by name; what they show is a fact, and stands in gate and book."""

from __future__ import annotations

from typing import Any

import pytest
from starlette.testclient import TestClient

from tests.formats.test_picture import photo

OWN = {"origin": "http://127.0.0.1:8080", "content-type": "image/jpeg"}
DAY = "2026-11-28"


def sent(client: TestClient, data: bytes) -> Any:
    return client.post("/api/photos", content=data, headers=OWN)


def taken(client: TestClient, id: str, made: dict[str, Any], subject: str, **more: Any) -> Any:
    value = {"id": "one", "sha256": made["sha256"], "subject": subject, "width": made["width"], "height": made["height"], **more}
    return client.patch(f"/api/variants/{id}", json={"ops": [{"op": "add", "path": "/facts/photos/-", "value": value}]}, headers={"If-Match": "1"})


def test_a_photograph_is_kept_once_and_shown(client: TestClient) -> None:
    answer = sent(client, photo(3000, 2000))
    assert answer.status_code == 200, answer.text
    made = answer.json()
    assert (made["width"], made["height"]) == (1600, 1067)
    assert made["bytes"] <= 400_000
    assert sent(client, photo(3000, 2000)).json() == made
    whole = client.get(f"/api/photos/{made['sha256']}")
    small = client.get(f"/api/photos/{made['sha256']}", params={"thumb": True})
    assert (whole.headers["content-type"], len(whole.content)) == ("image/jpeg", made["bytes"])
    assert len(small.content) < len(whole.content)
    assert "immutable" in whole.headers["cache-control"]


@pytest.mark.parametrize(("data", "words"), [(b"hello", "no picture"), (b"", "empty")])
def test_what_is_none_is_named(client: TestClient, data: bytes, words: str) -> None:
    r = sent(client, data)
    assert r.status_code == 422
    assert r.json()["error"]["key"] == "photo"
    assert words in r.json()["error"]["message"] and "object at" not in r.json()["error"]["message"]


def test_one_that_isnt_there_is_said(client: TestClient) -> None:
    assert client.get(f"/api/photos/{'0' * 64}").status_code == 404
    assert client.get("/api/photos/nothing").status_code == 422


def test_it_counts_at_the_gate_and_stands_in_the_book(client: TestClient, curlew_id: str) -> None:
    def asked() -> list[dict[str, Any]]:
        gates = client.get(f"/api/variants/{curlew_id}/build", params={"today": DAY}).json()["gates"]
        return [x for g in gates for x in g["items"] if x["wants"][4] and "no-photo" in x["missing"]]

    item = asked()[0]
    made = sent(client, photo(900, 600)).json()
    assert taken(client, curlew_id, made, item["id"], zone="wall_left", on=DAY, note="The run with a tape").status_code == 200
    assert item["id"] not in {x["id"] for x in asked()}
    page = next(p for p in client.get(f"/api/variants/{curlew_id}/book", params={"today": DAY}).json()["pages"] if p["id"] == "photos")
    assert [b["text"] for b in page["blocks"]] == ["Left wall", f"photo:{made['sha256']}", f"The run with a tape, {DAY}"]
    html = client.get(f"/api/variants/{curlew_id}/book/file/book.html", params={"today": DAY}).text
    assert html.count("data:image/jpeg;base64,") == 1
    undone = client.post(f"/api/variants/{curlew_id}/undo", headers={"If-Match": "1"})
    assert undone.status_code in (200, 409)
    assert client.get(f"/api/variants/{curlew_id}").json()["recorded"]["facts"]["photos"], "undo never takes it back"


def test_a_photograph_that_is_lost_is_said_in_the_book(client: TestClient, curlew_id: str) -> None:
    lost = {"sha256": "ab" * 32, "width": 10, "height": 10}
    assert taken(client, curlew_id, lost, "ff-data").status_code == 200
    html = client.get(f"/api/variants/{curlew_id}/book/file/book.html", params={"today": DAY}).text
    assert "lost from the store" in html


def test_a_hash_that_is_none_is_refused(client: TestClient, curlew_id: str) -> None:
    r = taken(client, curlew_id, {"sha256": "xyz", "width": 10, "height": 10}, "ff-data")
    assert (r.status_code, r.json()["error"]["key"]) == (422, "sha256")
