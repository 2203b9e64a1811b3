"""Loop readings: judged against the cable of the design, with the meter that was used."""

from __future__ import annotations

from typing import Any

import pytest

from tests.core.test_rules import fed
from tests.designs import circuit, found, reported


def read(mohm: float | None, meter: dict[str, Any] | None = None, **more: Any) -> dict[str, Any]:
    data = fed(circuit(area_mm2=1.5, length_m=4.0, **more))
    data["prove"] = {"readings": [{"circuit": "c1", "loop_mohm": mohm}], "meter": {"loop_resolution_mohm": 1.0, **(meter or {})}}
    return data


EXPECTED_MOHM = 13.3 * 2 * 4.0
"""1.5 mm² of class 5 copper at 20 °C, there and back."""


@pytest.mark.parametrize(("measured", "verdict"), [(EXPECTED_MOHM, "pass"), (160.0, "high"), (60.0, "short"), (2e6, "open")])
def test_a_reading_is_judged(measured: float, verdict: str) -> None:
    r = reported(read(measured))
    row = r.wiring.loops["c1"]
    assert row.expected_mohm == pytest.approx(EXPECTED_MOHM)
    assert row.verdict == verdict
    assert ("wire-test-failed" in {f.rule for f in r.findings}) == (verdict != "pass")


def test_the_leads_of_the_meter_and_the_cold_are_taken_into_account() -> None:
    row = reported(read(None, {"loop_leads_mohm": 150.0, "loop_temp_c": 0.0})).wiring.loops
    assert row == {}, "no reading, no row"
    row = reported(read(200.0, {"loop_leads_mohm": 150.0, "loop_temp_c": 0.0})).wiring.loops
    assert row["c1"].expected_mohm == pytest.approx(EXPECTED_MOHM * (1 - 0.00393 * 20) + 150.0)


def test_a_failed_loop_says_the_window_and_the_likely_cause() -> None:
    f = found(read(400.0))["wire-test-failed"]
    assert f.stage == "prove"
    assert "The loop measured 400 mΩ; 74 to 153 mΩ is right." in f.message
    assert "crimp" in f.message


def test_what_has_no_loop_of_its_own_is_not_judged() -> None:
    assert reported(read(500.0, return_path="chassis")).wiring.loops == {}
