"""Proving: what a meter should read, and the verdict on what it does read."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.contract import BadInput
from tests.designs import FRIDGE, KETTLE, LAMP, circuit, reported, wired

KINDS = st.sampled_from(["resistive", "constant_power", "constant_current", "motor"])


def run(name: str, /, **data: Any) -> dict[str, Any]:
    return calculate(name, data).dump()


@given(KINDS, st.floats(1, 300), st.floats(10, 15))
def test_the_band_holds_its_own_middle(kind: str, watts: float, volts: float) -> None:
    out = run("expected-circuit-current", supply_voltage_v=volts, loads=[{"kind": kind, "power_w": watts}])
    assert out["low_a"] < out["current_a"] < out["high_a"]
    assert out["inrush_a"] >= out["current_a"] - 1e-9
    assert out["power_w"] == pytest.approx(volts * out["current_a"])
    read = run(
        "expected-circuit-current",
        supply_voltage_v=volts,
        loads=[{"kind": kind, "power_w": watts}],
        measured_a=out["current_a"],
        accuracy_frac=0,
        digits_count=0,
    )
    assert read["verdict"] == "pass"


def test_how_each_kind_answers_to_voltage() -> None:
    def amps(kind: str, volts: float) -> float:
        return float(run("expected-circuit-current", supply_voltage_v=volts, loads=[{"kind": kind, "power_w": 60}])["current_a"])

    assert amps("resistive", 14) > amps("resistive", 12) == 5
    assert amps("constant_power", 14) < amps("constant_power", 12) == 5
    assert amps("motor", 14) == amps("motor", 12) == amps("constant_current", 11) == 5


def test_several_of_one_load_add_up() -> None:
    one = run("expected-circuit-current", supply_voltage_v=12.8, loads=[{"kind": "resistive", "power_w": 10}])
    three = run("expected-circuit-current", supply_voltage_v=12.8, loads=[{"kind": "resistive", "power_w": 10, "count": 3}])
    assert three["current_a"] == pytest.approx(3 * one["current_a"])
    none = run("expected-circuit-current", supply_voltage_v=12.8, loads=[{"kind": "resistive", "power_w": 10, "count": 0}])
    assert none["current_a"] == 0


@given(KINDS, st.floats(1, 200), st.floats(0, 200), st.floats(0, 50))
def test_volts_at_bank_cable_and_load_add_up(kind: str, watts: float, loop: float, source: float) -> None:
    try:
        out = run("expected-load-voltage", source_voltage_v=12.8, source_resistance_mohm=source, loop_resistance_mohm=loop, kind=kind, power_w=watts)
    except BadInput as bad:
        assert bad.key == "power_w"
        return
    assert out["load_voltage_v"] + out["cable_drop_v"] == pytest.approx(out["terminal_voltage_v"])
    assert out["terminal_voltage_v"] == pytest.approx(12.8 - out["current_a"] * source / 1000)
    assert out["loss_w"] == pytest.approx(out["current_a"] ** 2 * out["loop_resistance_mohm"] / 1000)
    if kind == "constant_power":
        assert out["current_a"] * out["load_voltage_v"] == pytest.approx(watts)


@given(st.floats(-100, 100), st.floats(0.01, 5), st.floats(0, 0.05))
def test_a_verdict_with_a_perfect_meter_is_a_plain_comparison(measured: float, width: float, offset: float) -> None:
    out = run("verdict", measured=measured, expected=measured + offset * width, tolerance_abs=width, coverage_k=0)
    assert out["verdict"] == "pass"
    far = run("verdict", measured=measured + 3 * width, expected=measured, tolerance_abs=width, coverage_k=0)
    assert far["verdict"] == "fail"


@given(st.floats(9, 11), st.floats(0, 0.05))
def test_a_coarser_meter_never_makes_a_verdict_surer(measured: float, accuracy: float) -> None:
    def verdict(a: float) -> str:
        return str(run("verdict", measured=measured, expected=10, tolerance_frac=0.05, accuracy_frac=a)["verdict"])

    fine, coarse = verdict(accuracy), verdict(accuracy + 0.02)
    if coarse != "marginal":
        assert fine == coarse


def test_guard_band_by_hand() -> None:
    out = run("verdict", measured=12.6, limit_low=12.5, accuracy_frac=0.005, digits_count=2, resolution=0.01)
    u = 2 * (0.005 * 12.6 + 0.02) / math.sqrt(3)
    assert out["expanded_uncertainty"] == pytest.approx(u)
    assert out["verdict"] == ("pass" if 12.6 - u >= 12.5 else "marginal")
    assert out["limit_high"] is None
    assert out["margin"] == pytest.approx(0.1)


def sheet(data: dict[str, Any]) -> dict[str, Any]:
    return {r.circuit: r for r in reported(data).prove.rows}


def test_the_sheet_expects_what_ohms_law_says() -> None:
    """A 12 W lamp through 4 m of 1.5 mm², there and back, joints and a 5 A blade fuse of 17.9 mΩ, from 12.8 V."""
    row = sheet(wired(circuit()))["c1"]
    r20 = calculate("conductor-resistance", {"area_mm2": 1.5, "length_m": 4, "conductors_count": 2, "conductor_temp_c": 25}).dump()["resistance_mohm"]
    loop = (r20 + 17.9 + 13) / 1000
    v = (12.8 + math.sqrt(12.8**2 - 4 * loop * 12)) / 2
    assert row.expected_v == pytest.approx(v)
    assert row.expected_a == pytest.approx(12 / v)
    assert row.low_a == pytest.approx(0.85 * row.expected_a)


def test_what_cannot_be_tested_says_why() -> None:
    rows = sheet(wired(circuit("bare", area_mm2=None), circuit("idle", appliances=[])))
    assert "no cable" in rows["bare"].missing
    assert "no appliance" in rows["idle"].missing
    assert rows["bare"].expected_a is None


def test_mains_circuits_are_left_to_the_licensed_trade() -> None:
    assert "mains" not in sheet(wired(circuit("mains", kind="ac", appliances=["kettle"], protection="breaker", fuse_a=10.0), appliances=[LAMP, KETTLE]))


def read(**reading: Any) -> Any:
    data = wired(circuit(appliances=["fridge"], area_mm2=6.0, fuse_a=7.5), appliances=[FRIDGE])
    data["prove"] = {"readings": [{"circuit": "c1", **reading}]}
    return reported(data)


def test_a_good_reading_passes_and_counts() -> None:
    expected = read().prove.rows[0]
    r = read(source_voltage_v=12.8, load_voltage_v=round(expected.expected_v, 2), current_a=round(expected.expected_a, 2))
    row = r.prove.rows[0]
    assert (row.verdict, row.current_verdict, row.voltage_verdict) == ("pass", "pass", "pass")
    assert (r.prove.testable, r.prove.read, r.prove.passed) == (1, 1, 1)
    assert [f.rule for f in r.findings if f.stage == "prove"] == ["test-order"], "power before the dead tests"


def test_the_expected_voltage_follows_the_bank_at_that_moment() -> None:
    low = read(source_voltage_v=12.4).prove.rows[0]
    high = read(source_voltage_v=13.4).prove.rows[0]
    assert high.expected_v - low.expected_v == pytest.approx(1.0, abs=0.1)


@pytest.mark.parametrize(
    ("reading", "rule", "severity"),
    [
        ({"load_voltage_v": 11.2}, "test-fail", "fault"),
        ({"current_a": 6.9}, "test-current-band", "fault"),
        ({"current_a": 9.0}, "test-cable-overload", "danger"),
        ({"current_a": 4.28}, "test-marginal", "advice"),
    ],
)
def test_a_bad_reading_is_a_finding(reading: dict[str, float], rule: str, severity: str) -> None:
    rules = {f.rule: f.severity for f in read(source_voltage_v=12.8, **reading).findings}
    assert rules.get(rule) == severity


def test_a_negative_reading_is_judged_by_its_size() -> None:
    """A clamp put on the other way round reads the same current with a minus."""
    expected = read().prove.rows[0].expected_a
    assert read(source_voltage_v=12.8, current_a=-round(expected, 2)).prove.rows[0].verdict == "pass"


def test_only_what_was_read_is_judged() -> None:
    row = read(current_a=3.9).prove.rows[0]
    assert row.voltage_verdict is None
    assert row.current_verdict is not None


def test_the_reading_of_a_circuit_that_is_gone_stays_and_judges_nothing() -> None:
    data = wired(circuit())
    data["prove"] = {"readings": [{"circuit": "gone", "current_a": 400.0}]}
    r = reported(data)
    assert [row.circuit for row in r.prove.rows] == ["c1"]
    assert not [f for f in r.findings if f.stage == "prove"]


def test_chargers_are_tested_by_their_rating() -> None:
    data = wired({"id": "drive", "name": "Driving charge", "kind": "driving", "length_m": 1.0, "area_mm2": 16.0, "fuse_a": 40.0})
    data["power"] = {"driving": {"rating_a": 30.0}}
    row = sheet(data)["drive"]
    assert (row.low_a, row.expected_a, row.high_a) == pytest.approx((27, 30, 33))
    assert row.expected_v is None
    assert "Engine running" in row.how
