"""Two designs beside each other: nothing but what differs, named, both ways round."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from bothy.core.comparing import compare, shown
from bothy.core.design.document import Design
from bothy.core.design.edit import apply_patch
from bothy.core.report import Report, report
from tests.designs import BANK, FRIDGE, INVERTER, LAMP, circuit, made, wired


def both(*ops: dict[str, Any]) -> tuple[tuple[Design, Report], tuple[Design, Report]]:
    d = made(
        wired(
            circuit("lamp-c"), circuit("fridge-c", appliances=["fridge"], area_mm2=6.0), appliances=[LAMP, FRIDGE], power={"bank": BANK, "inverter": INVERTER}
        )
    )
    e = apply_patch(d, list(ops))
    return (d, report(d)), (e, report(e))


def test_the_same_is_the_same() -> None:
    a, _ = both()
    d = compare(a, a)
    assert (d.same, d.said, d.figures, d.found) == (True, [], [], [])
    assert all(h.a == h.b for h in d.heads)


def test_a_smaller_bank_is_told_with_what_follows() -> None:
    a, b = both({"op": "replace", "path": "/power/bank/unit_charge_ah", "value": 50.0})
    d = compare(a, b)
    assert [(s.stage, s.path, s.unit, s.a, s.b) for s in d.said] == [("power", "/power/bank/unit_charge_ah", "Ah", 200.0, 50.0)]
    assert {h.label: (h.a, h.b) for h in d.heads}["battery bank"] == (200.0, 50.0)
    energy = next(f for f in d.figures if f.key == "power/bank/energy_wh")
    assert energy.b == pytest.approx(energy.a / 4)
    assert {f.side for f in d.found if f.severity == "fault"} == {"b"}


def test_an_item_is_known_by_its_id_wherever_it_stands() -> None:
    a, b = both({"op": "move", "from": "/wiring/circuits/1", "path": "/wiring/circuits/0"})
    assert [s for s in compare(a, b).said if s.stage == "wiring"] == []
    a, b = both({"op": "remove", "path": "/wiring/circuits/1"})
    gone = [s for s in compare(a, b).said if s.path.startswith("/wiring/circuits/fridge-c")]
    assert gone
    assert all(s.b is None for s in gone)


@settings(max_examples=20, deadline=None, suppress_health_check=[HealthCheck.too_slow])
@given(ah=st.floats(20, 900), watts=st.floats(100, 5000), metres=st.floats(0.5, 12))
def test_the_other_way_round_it_is_the_mirror(ah: float, watts: float, metres: float) -> None:
    a, b = both(
        {"op": "replace", "path": "/power/bank/unit_charge_ah", "value": ah},
        {"op": "replace", "path": "/power/inverter/rating_w", "value": watts},
        {"op": "replace", "path": "/wiring/circuits/0/length_m", "value": metres},
    )
    one, two = compare(a, b), compare(b, a)
    assert {(s.path, s.a, s.b) for s in one.said} == {(s.path, s.b, s.a) for s in two.said}
    assert {(f.key, f.a, f.b) for f in one.figures} == {(f.key, f.b, f.a) for f in two.figures}
    assert sorted((f.title, f.subject, f.side) for f in one.found) == sorted((f.title, f.subject, "b" if f.side == "a" else "a") for f in two.found)


@pytest.mark.parametrize(
    ("value", "words"),
    [
        (None, None),
        ([], None),
        ("", None),
        (True, "yes"),
        (False, "no"),
        (3.0, 3.0),
        (0.1234567, 0.1234567),
        (["a", "b"], "a, b"),
        (7, 7),
        ([1.5, 2], "1.5, 2"),
        ("free_air", "free air"),
        ("Fridge_2", "Fridge_2"),
    ],
)
def test_values_are_said_plainly(value: Any, words: float | str | None) -> None:
    assert shown(value) == words
