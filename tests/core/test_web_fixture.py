"""The front end's tests look at a report that the core would still give."""

from __future__ import annotations

import json

from tests.web_fixture import FILE, made


def test_the_fixture_of_the_front_end_is_what_the_core_gives() -> None:
    assert json.loads(FILE.read_text(encoding="utf-8")) == json.loads(json.dumps(made())), "run python -m tests.web_fixture"
