"""The front end's tests look at reports that the core would still give."""

from __future__ import annotations

import json
from collections.abc import Callable
from typing import Any

import pytest

from bothy.core.figure_keys import typescript
from bothy.core.units import grammar
from bothy.core.words.pages import for_pages
from tests.web_fixture import FIGURES, FOLDER, first_stages, made, said_cases, small_wiring, unit_cases


@pytest.mark.parametrize("stage", FIGURES)
def test_the_fixture_of_the_front_end_is_what_the_core_gives(stage: str) -> None:
    kept = json.loads((FOLDER / f"{stage}.json").read_text(encoding="utf-8"))
    assert kept == json.loads(json.dumps(made(stage))), "run python -m tests.web_fixture"


@pytest.mark.parametrize(("name", "now"), [("curlew", first_stages), ("wiring", small_wiring), ("units", unit_cases), ("said", said_cases)])
def test_the_other_fixtures_are_what_the_core_gives(name: str, now: Callable[[], Any]) -> None:
    kept = json.loads((FOLDER / f"{name}.json").read_text(encoding="utf-8"))
    assert kept == json.loads(json.dumps(now())), "run python -m tests.web_fixture"


def test_the_front_end_reads_quantities_by_the_tables_of_the_core() -> None:
    kept = json.loads((FOLDER.parents[1] / "generated" / "units.json").read_text(encoding="utf-8"))
    assert kept == json.loads(json.dumps(grammar())), "run ./bothy api"


def test_the_front_end_speaks_by_the_terms_and_figures_of_the_core() -> None:
    folder = FOLDER.parents[1] / "generated"
    assert json.loads((folder / "words.json").read_text(encoding="utf-8")) == for_pages(), "run ./bothy api"
    assert (folder / "figures.d.ts").read_text(encoding="utf-8").split() == typescript().split(), "run ./bothy api"
