"""Itineraries, weather files and logs over HTTP: understood first, kept or taken over after."""

from __future__ import annotations

import datetime as dt
import uuid
from typing import Any

import pytest
from sqlalchemy import Engine, create_engine, inspect
from starlette.testclient import TestClient

from bothy.demo import curlew
from bothy.store.measured import MeasuredLogs
from bothy.store.projects import Missing
from tests.formats.test_log_files import log_of
from tests.weather import epw, year

LOG = "time;load\n" + "\n".join(f"2026-10-{12 + h // 24} {h % 24:02d}:00;{40 + h % 7}" for h in range(96))


def test_an_itinerary_is_understood_and_comes_back(client: TestClient, curlew_id: str) -> None:
    table = client.get(f"/api/variants/{curlew_id}/export/itinerary.csv")
    assert table.headers["content-type"].startswith("text/csv")
    r = client.post(f"/api/variants/{curlew_id}/itinerary/preview", json={"text": table.text})
    assert r.status_code == 200
    assert (r.json()["taken"], r.json()["wrong"], r.json()["start_date"]) == (5, 0, "2026-10-12")


def test_an_itinerary_that_is_none_names_the_file(client: TestClient, curlew_id: str) -> None:
    r = client.post(f"/api/variants/{curlew_id}/itinerary/preview", json={"text": "<gpx></gpx>"})
    assert r.status_code == 422
    assert r.json()["error"]["key"] == "file"
    assert client.post(f"/api/variants/{uuid.uuid4()}/itinerary/preview", json={"text": "place\nLondon"}).status_code == 404
    assert client.post(f"/api/variants/{curlew_id}/itinerary/preview", json={"text": "place\nLondon", "km_h": 900}).status_code == 422


def test_a_weather_file_is_read_and_its_place_taken_into_the_trip(client: TestClient, curlew_id: str) -> None:
    r = client.post("/api/weather/read", json={"text": epw(year())})
    assert r.status_code == 200
    place = r.json()["place"]
    ops = [
        {"op": "add", "path": "/trips/places/-", "value": place},
        {"op": "replace", "path": "/trips/legs", "value": [{"id": "a", "place": place["id"], "days_count": 5}]},
    ]
    client.patch(f"/api/variants/{curlew_id}", json={"ops": ops}, headers={"If-Match": "1"}).raise_for_status()
    run = client.get(f"/api/variants/{curlew_id}/trip", params={"revision": 2}).json()
    assert {d["place"] for d in run["days"]} == {"Munich"}
    assert not [f for f in run["findings"] if f["rule"] == "sim-weather-approx"]


def test_a_weather_file_that_is_none_names_the_file(client: TestClient) -> None:
    assert client.post("/api/weather/read", json={"text": "hello"}).json()["error"]["key"] == "file"


def test_a_log_is_kept_laid_over_the_run_and_forgotten(client: TestClient, curlew_id: str) -> None:
    url = f"/api/variants/{curlew_id}/measured"
    assert client.get(url, params={"revision": 1}).json() == {"name": None, "beside": None, "problem": None}
    assert client.post("/api/log/read", json={"text": LOG}).json()["lines"] == 96
    put = client.put(url, json={"text": LOG, "name": "October"})
    assert put.status_code == 200
    kept = client.get(url, params={"revision": 1}).json()
    assert kept["name"] == "October"
    assert kept["beside"]["overlap_h"] == 96
    assert kept["beside"]["fit"]["simulated_bias_w"] is not None
    assert client.put(url, json={"text": LOG.replace("2026", "2025"), "name": "Other"}).status_code == 200
    assert client.get(url, params={"revision": 1}).json()["beside"]["overlap_h"] == 0, "the newest takes the place of the old one"
    assert client.delete(url).status_code == 204
    assert client.get(url, params={"revision": 1}).json()["name"] is None


def test_a_log_with_open_questions_is_not_kept(client: TestClient, curlew_id: str) -> None:
    r = client.put(f"/api/variants/{curlew_id}/measured", json={"text": "time;v;a\n2026-10-12 10:00;13;2\n"})
    assert r.status_code == 422
    assert "positive current" in r.json()["error"]["message"]
    assert client.get(f"/api/variants/{curlew_id}/measured", params={"revision": 1}).json()["name"] is None


def test_a_log_beside_a_trip_that_cannot_be_run_says_why(client: TestClient, variant_id: str) -> None:
    client.put(f"/api/variants/{variant_id}/measured", json={"text": LOG}).raise_for_status()
    kept = client.get(f"/api/variants/{variant_id}/measured", params={"revision": 1}).json()
    assert kept["beside"] is None
    assert "add the first place" in kept["problem"]


def test_a_log_of_nobody_is_refused(client: TestClient, engine: Engine) -> None:
    assert client.put(f"/api/variants/{uuid.uuid4()}/measured", json={"text": LOG}).status_code == 404
    with pytest.raises(Missing):
        MeasuredLogs(engine).put(uuid.uuid4(), "x", log_of(20.0, 10.0, days=1))


def test_a_kept_log_comes_back_to_four_digits_with_its_holes(engine: Engine, curlew_id: str) -> None:
    logs = MeasuredLogs(engine)
    log = log_of(21.23456, 10.0, days=2)
    log.soc[3] = float("nan")
    logs.put(uuid.UUID(curlew_id), "holes", log)
    found = logs.get(uuid.UUID(curlew_id))
    assert found is not None
    name, back = found
    assert name == "holes"
    assert back.start == dt.datetime(2026, 6, 1)
    assert back.load_w == pytest.approx(log.load_w, abs=1e-4)
    assert [i for i, v in enumerate(back.soc) if v != v] == [3]
    logs.drop(uuid.UUID(curlew_id))
    assert logs.get(uuid.UUID(curlew_id)) is None


def test_the_log_goes_with_its_variant(engine: Engine, client: TestClient, curlew_id: str, migrated_url: str) -> None:
    keys = inspect(create_engine(migrated_url)).get_foreign_keys("measured")
    assert keys[0]["options"]["ondelete"] == "CASCADE"


def test_two_variants_keep_their_own_logs(engine: Engine, client: TestClient, curlew_id: str) -> None:
    other = client.post(f"/api/variants/{curlew_id}/copy", json={"name": "b"}).json()["id"]
    client.put(f"/api/variants/{curlew_id}/measured", json={"text": LOG, "name": "A"}).raise_for_status()
    answers: list[Any] = [client.get(f"/api/variants/{v}/measured", params={"revision": 1}).json()["name"] for v in (curlew_id, other)]
    assert answers == ["A", None]
    assert curlew.NAME == "Curlew"
