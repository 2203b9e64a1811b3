"""The guards: own host names, own origin, limited bodies, one log line for each request; and the database gone."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest
from sqlalchemy import create_engine
from starlette.testclient import TestClient
from structlog.testing import capture_logs

from bothy.api.app import create_app
from bothy.cli import openapi as print_openapi
from bothy.settings import Settings
from bothy.store.projects import Projects

EVIL = "http://evil.example"


@pytest.mark.parametrize("host", ["127.0.0.1:8080", "localhost:8080", "127.0.0.1", "LOCALHOST", "[::1]:8080"])
def test_its_own_names_are_answered(client: TestClient, host: str) -> None:
    assert client.get("/api/health", headers={"host": host}).status_code == 200


@pytest.mark.parametrize("host", ["evil.example", "127.0.0.1.evil.example", "", "evil.example:8080", "10.0.0.1"])
def test_other_names_are_not(client: TestClient, host: str) -> None:
    r = client.get("/api/health", headers={"host": host})
    assert r.status_code == 421
    assert r.json()["error"]["key"] == "host"


@pytest.mark.parametrize(
    "headers",
    [{"origin": EVIL}, {"origin": "null"}, {"origin": "http://127.0.0.1:9999"}, {"sec-fetch-site": "cross-site"}, {"sec-fetch-site": "same-site"}],
)
@pytest.mark.parametrize("method", ["POST", "PATCH", "PUT", "DELETE"])
def test_a_page_elsewhere_cannot_change_anything(client: TestClient, variant_id: str, headers: dict[str, str], method: str) -> None:
    r = client.request(method, f"/api/variants/{variant_id}", headers={**headers, "If-Match": "1"}, json={})
    assert r.status_code == 403
    assert r.json()["error"]["key"] == "origin"


def test_its_own_page_can(client: TestClient) -> None:
    own = {"origin": "http://127.0.0.1:8080", "sec-fetch-site": "same-origin"}
    assert client.post("/api/projects", json={"name": "Tern"}, headers=own).status_code == 201


def test_a_form_of_another_page_is_refused_by_its_type(client: TestClient) -> None:
    r = client.post("/api/projects", content=b'{"name": "x"}', headers={"content-type": "text/plain"})
    assert r.status_code == 415
    assert client.get("/api/projects").json() == []


def test_bodies_are_limited_whether_they_say_their_size_or_not(client: TestClient) -> None:
    big = b'{"text": "' + b"x" * 2_100_000 + b'"}'
    said = client.post("/api/projects/import", content=big, headers={"content-type": "application/json"})
    assert said.status_code == 413
    assert "at most 2,000,000" in said.json()["error"]["message"]

    def pieces() -> Any:
        for i in range(0, len(big), 100_000):
            yield big[i : i + 100_000]

    streamed = client.post("/api/projects/import", content=pieces(), headers={"content-type": "application/json"})
    assert streamed.status_code == 413
    assert client.post("/api/projects", content=b"{}", headers={"content-type": "application/json", "content-length": "many"}).status_code in (400, 422)


def test_answers_say_how_they_may_be_used(client: TestClient) -> None:
    r = client.get("/")
    assert "default-src 'self'" in r.headers["content-security-policy"]
    assert "frame-ancestors 'none'" in r.headers["content-security-policy"]
    assert r.headers["x-content-type-options"] == "nosniff"
    assert client.get("/assets/a.js").headers["cache-control"].endswith("immutable")
    assert client.get("/api/health").headers["cache-control"] == "no-cache"


def test_pages_of_the_front_end_and_gaps_of_the_api(client: TestClient) -> None:
    assert "Bothy" in client.get("/v/anything/life", headers={"accept": "text/html"}).text
    gap = client.get("/api/teapot", headers={"accept": "text/html"})
    assert gap.status_code == 404
    assert "not part of the API" in gap.json()["error"]["message"]
    assert client.post("/api/health", json={}).status_code == 405
    assert client.get("/docs", headers={"accept": "text/html"}).text.startswith("<!doctype html><title>Bothy"), "no pages that load scripts from elsewhere"


def test_every_request_leaves_one_line(migrated_url: str, front_end: Path) -> None:
    quiet = create_app(Settings(database_url=migrated_url, front_end=str(front_end)))
    with TestClient(quiet, base_url="http://127.0.0.1") as c, capture_logs() as lines:
        c.get("/api/health")
        c.get("/api/health", headers={"host": EVIL})
    mine = [x for x in lines if x["event"] == "request"]
    assert [(x["method"], x["path"], x["status"]) for x in mine] == [("GET", "/api/health", 200), ("GET", "/api/health", 421)]
    assert all(x["ms"] >= 0 for x in mine)


def test_a_database_that_is_gone_says_so_and_keeps_what_was_typed(app: Any, client: TestClient, variant_id: str) -> None:
    alive: Projects = app.state.projects
    app.state.projects = Projects(create_engine("mariadb+pymysql://nobody@127.0.0.1:1/none", connect_args={"connect_timeout": 1}))
    try:
        r = client.patch(f"/api/variants/{variant_id}", json={"ops": [{"op": "replace", "path": "/life/people", "value": 3}]}, headers={"If-Match": "1"})
        assert r.status_code == 503
        assert r.json()["error"]["key"] == "database"
        assert "is not known" in r.json()["error"]["message"]
    finally:
        app.state.projects = alive
    assert client.get(f"/api/variants/{variant_id}").json()["revision"] == 1


def test_the_published_document_is_current(capsys: pytest.CaptureFixture[str]) -> None:
    print_openapi(None)  # type: ignore[arg-type]
    assert json.loads(capsys.readouterr().out) == json.loads((Path(__file__).parents[2] / "openapi.json").read_text(encoding="utf-8"))
