"""The front end's tests look at reports that the core would still give."""

from __future__ import annotations

import json

import pytest

from tests.web_fixture import FIGURES, FOLDER, first_stages, made


@pytest.mark.parametrize("stage", FIGURES)
def test_the_fixture_of_the_front_end_is_what_the_core_gives(stage: str) -> None:
    kept = json.loads((FOLDER / f"{stage}.json").read_text(encoding="utf-8"))
    assert kept == json.loads(json.dumps(made(stage))), "run python -m tests.web_fixture"


def test_the_fixture_of_the_first_stages_is_what_the_core_gives() -> None:
    kept = json.loads((FOLDER / "curlew.json").read_text(encoding="utf-8"))
    assert kept == json.loads(json.dumps(first_stages())), "run python -m tests.web_fixture"
