"""A client on the whole application, with the real database behind it."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from sqlalchemy import Engine
from starlette.testclient import TestClient

from bothy.api.app import create_app
from bothy.demo import curlew
from bothy.demo.load import demo_of
from bothy.settings import Settings
from bothy.store.projects import Projects

HOST = "http://127.0.0.1:8080"
FONTS = Path(__file__).parents[2] / "web" / "node_modules" / "inter-ui" / "web"


@pytest.fixture(scope="session")
def front_end(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A front end of one page, so that the API is tested without building the real one."""
    folder = tmp_path_factory.mktemp("front")
    (folder / "index.html").write_text("<!doctype html><title>Bothy</title>", encoding="utf-8")
    (folder / "assets").mkdir()
    (folder / "assets" / "a.js").write_text("1", encoding="utf-8")
    return folder


@pytest.fixture(scope="session")
def app(migrated_url: str, front_end: Path) -> Any:
    return create_app(Settings(database_url=migrated_url, front_end=str(front_end), log_requests=False, fonts=str(FONTS), max_body_bytes=2_000_000))


@pytest.fixture
def client(app: Any, engine: Engine) -> Iterator[TestClient]:
    with TestClient(app, base_url=HOST, raise_server_exceptions=False) as c:
        yield c


@pytest.fixture
def curlew_id(engine: Engine, client: TestClient) -> str:
    """Id of Curlew's variant, freshly loaded."""
    one, evidence = demo_of(curlew)
    Projects(engine).create("Curlew", [("as planned", one)], "test", evidence=evidence)
    return str(client.get("/api/projects").json()[0]["variants"][0]["id"])


@pytest.fixture
def variant_id(client: TestClient) -> str:
    """Id of the variant of a new, empty project."""
    client.post("/api/projects", json={"name": "Tern"}).raise_for_status()
    return str(client.get("/api/projects").json()[0]["variants"][0]["id"])
