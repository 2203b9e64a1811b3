"""The root finder and the constants that all fields share."""

from __future__ import annotations

import ast
import math
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core import constants
from bothy.core.constants import full_voltage
from bothy.core.fluid import friction
from bothy.core.root import reached

CORE = Path(constants.__file__).parent


@given(st.floats(1e-6, 1e6), st.floats(0.2, 5))
def test_the_root_of_a_power_is_found_to_the_last_digits(target: float, power: float) -> None:
    high = 10 * target ** (1 / power) + 1
    assert math.isclose(reached(lambda x: x**power, target, 0.0, high), target ** (1 / power), rel_tol=1e-9, abs_tol=2e-15)


def test_out_of_reach_the_ends_answer_and_a_jump_its_place() -> None:
    assert reached(lambda x: x, -1.0, 0.0, 2.0) == 0.0
    assert reached(lambda x: x, 3.0, 0.0, 2.0) == 2.0
    assert reached(lambda x: 0.0 if x < 0.7 else 1.0, 0.5, 0.0, 2.0) == pytest.approx(0.7, abs=1e-9)


@pytest.mark.parametrize(("nominal", "top"), [(12.0, 14.6), (24.0, 29.2), (48.0, 58.4), (230.0, 230.0), (5.0, 5.0)])
def test_the_highest_voltage_goes_with_the_system(nominal: float, top: float) -> None:
    assert full_voltage(nominal) == pytest.approx(top)


def test_what_hardly_flows_has_no_friction_instead_of_an_endless_one() -> None:
    assert friction(1e-300, 0.001) == 0.0
    assert friction(1e-6, 0.001) == pytest.approx(64e6)


def test_each_shared_constant_stands_once() -> None:
    names = {n for n in vars(constants) if n.isupper()}
    again = []
    for path in CORE.rglob("*.py"):
        if path.name == "constants.py":
            continue
        for node in ast.parse(path.read_text()).body:
            targets = node.targets if isinstance(node, ast.Assign) else [node.target] if isinstance(node, ast.AnnAssign) else []
            flat = [e for t in targets for e in (t.elts if isinstance(t, ast.Tuple) else [t])]
            again += [f"{path.name}: {t.id}" for t in flat if isinstance(t, ast.Name) and t.id in names]
    assert names > {"G", "ZERO_K"}
    assert not again
