"""The API by its own contract: requests made up from the OpenAPI document never crash it."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest
import schemathesis
from hypothesis import HealthCheck, Phase, given, settings
from schemathesis.checks import not_a_server_error

from bothy.api.app import create_app
from bothy.settings import Settings

HOST = {"host": "127.0.0.1"}
DOCUMENT = json.loads((Path(__file__).parents[2] / "openapi.json").read_text(encoding="utf-8"))
OPERATIONS = [(path, method) for path, methods in DOCUMENT["paths"].items() for method in methods]


@schemathesis.serializer("application/zip")
def zipped(_: Any, value: Any) -> bytes:
    """What is made up for an archive, as bytes."""
    return value if isinstance(value, bytes) else str(value).encode("utf-8", "replace")


@pytest.fixture(scope="module")
def contract(migrated_url: str, front_end: Any) -> Any:
    app = create_app(Settings(database_url=migrated_url, front_end=str(front_end), log_requests=False))
    return schemathesis.openapi.from_asgi("/api/openapi.json", app, headers=HOST)


@pytest.mark.parametrize(("path", "method"), OPERATIONS, ids=[f"{m} {p}" for p, m in OPERATIONS])
def test_any_request_gets_an_answer_that_is_no_crash(contract: Any, path: str, method: str) -> None:
    @settings(max_examples=15, deadline=None, suppress_health_check=list(HealthCheck), phases=[Phase.explicit, Phase.generate], derandomize=True)
    @given(case=contract[path][method].as_strategy())
    def check(case: Any) -> None:
        response = case.call(headers=HOST)
        case.validate_response(response, checks=[not_a_server_error])

    check()


def test_every_operation_has_a_name_and_every_error_one_body() -> None:
    names = [o["operationId"] for methods in DOCUMENT["paths"].values() for o in methods.values()]
    assert len(names) == len(set(names))
    assert "ProblemBody" in DOCUMENT["components"]["schemas"]
