"""The worked examples, every one, within its tolerance of 0.5 %."""

import json
import math
from pathlib import Path
from typing import Any

import pytest

from bothy.core.calculators import CALCULATORS, calculate

EXAMPLES = sorted((Path(__file__).parents[2] / "docs" / "method" / "examples").glob("*.json"))
CASES = [(p.stem, i, case) for p in EXAMPLES for i, case in enumerate(json.loads(p.read_text()))]


def same(path: str, got: Any, want: Any) -> None:
    if isinstance(want, dict):
        for key, value in want.items():
            assert key in got, f"{path}.{key} is missing"
            same(f"{path}.{key}", got[key], value)
    elif isinstance(want, list):
        assert len(got) == len(want), path
        for i, (g, w) in enumerate(zip(got, want, strict=True)):
            same(f"{path}[{i}]", g, w)
    elif isinstance(want, bool) or want is None or isinstance(want, str):
        assert got == want, path
    else:
        assert math.isclose(got, want, rel_tol=5e-3, abs_tol=5e-4), f"{path}: {got} is not {want}"


@pytest.mark.parametrize(("name", "number", "case"), CASES, ids=[f"{n}-{i}" for n, i, _ in CASES])
def test_worked_example(name: str, number: int, case: dict[str, Any]) -> None:
    same(name, calculate(name, case["input"]).dump(), case["output"])


def test_every_calculator_has_two_examples_and_runs_its_own() -> None:
    for name, calculator in CALCULATORS.items():
        assert len([c for c in CASES if c[0] == name]) >= 2, name
        assert calculate(name, calculator.example).dump()


@pytest.mark.parametrize(("name", "number", "case"), CASES, ids=[f"{n}-{i}" for n, i, _ in CASES])
def test_working_agrees_with_the_output(name: str, number: int, case: dict[str, Any]) -> None:
    out = calculate(name, case["input"])
    assert out.working, "at least one output opens its working"
    for key, figure in out.working.items():
        name, _, entry = key.partition("/")
        assert figure.value == (getattr(out, name)[entry] if entry else getattr(out, name))
        assert figure.expression or figure.origin != "computed" or figure.note, key
