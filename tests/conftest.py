"""Shared fixtures: a database for each worker on the real MariaDB, the application on it, designs to start from."""

from __future__ import annotations

import os
from collections.abc import Iterator
from typing import Any

import pytest
from hypothesis import settings
from sqlalchemy import Engine, create_engine, text
from sqlalchemy.engine import make_url

from bothy.core import figure_keys
from bothy.demo import curlew

figure_keys.strict = True

# The same examples on every run, so that a change is judged by itself; `HYPOTHESIS_PROFILE=search` looks for new ones.
settings.register_profile("steady", derandomize=True, deadline=None)
settings.register_profile("search", derandomize=False, deadline=None)
settings.load_profile(os.environ.get("HYPOTHESIS_PROFILE", "steady"))

NO_DATABASE = "these tests need MariaDB: run them with ./bothy test"


@pytest.fixture(scope="session")
def database_url(worker_id: str) -> Iterator[str]:
    """URL of an empty database of this worker's own; dropped afterwards."""
    given = os.environ.get("BOTHY_DATABASE_URL")
    if not given:
        pytest.fail(NO_DATABASE)
    name = f"bothy_{worker_id}"
    admin = create_engine(given)
    with admin.begin() as c:
        c.execute(text(f"drop database if exists {name}"))
        c.execute(text(f"create database {name}"))
    yield make_url(given).set(database=name).render_as_string(hide_password=False)
    with admin.begin() as c:
        c.execute(text(f"drop database if exists {name}"))
    admin.dispose()


@pytest.fixture(scope="session")
def migrated_url(database_url: str) -> str:
    """The same database at the newest migration."""
    from bothy.store.migrate import migrate

    migrate(database_url)
    return database_url


@pytest.fixture
def engine(migrated_url: str) -> Iterator[Engine]:
    """An engine on an emptied, migrated database."""
    from bothy.store.engine import make_engine

    made = make_engine(migrated_url)
    with made.begin() as c:
        c.execute(text("delete from projects"))
    yield made
    made.dispose()


@pytest.fixture(scope="session")
def curlew_data() -> dict[str, Any]:
    """The demo design as plain data; copy before changing."""
    return curlew.design().model_dump(mode="json")
