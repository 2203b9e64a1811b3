"""Wiring: what must hold for any run, and cases worked by hand."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.contract import BadInput
from bothy.core.units import AWG_NUMBER
from bothy.core.wiring.conductors import AREA, METRIC
from bothy.core.wiring.fuses import FAMILIES, inrush_multiple

SIZES = sorted(METRIC)
CURRENT, LENGTH = st.floats(0.2, 120), st.floats(0.2, 15)


def run(name: str, /, **data: Any) -> dict[str, Any]:
    return calculate(name, data).dump()


@given(st.sampled_from(SIZES), st.floats(-20, 100), st.floats(0.1, 100))
def test_resistance_grows_with_length_and_heat_and_falls_with_metal(area: float, temp: float, length: float) -> None:
    def r(a: float, t: float, m: float) -> float:
        return float(run("conductor-resistance", area_mm2=a, conductor_temp_c=t, length_m=m)["resistance_mohm"])

    assert r(area, temp, 2 * length) == pytest.approx(2 * r(area, temp, length))
    assert r(area, temp + 10, length) > r(area, temp, length)
    assert all(r(a, temp, length) < r(b, temp, length) for a, b in zip(SIZES[1:], SIZES, strict=False))


@pytest.mark.parametrize("area", SIZES)
def test_class_five_copper_is_a_little_worse_than_pure_metal(area: float) -> None:
    """Second way round: ρ/A of annealed copper, 0.017241 Ω·mm²/m, plus 6 to 20 % for the strands."""
    table = run("conductor-resistance", area_mm2=area, conductor_temp_c=20, length_m=1)["resistance_mohm"]
    assert 1.05 < table / (17.241 / area) < 1.20


@pytest.mark.parametrize("awg", list(AWG_NUMBER))
def test_awg_and_its_own_area_agree_within_the_tables(awg: str) -> None:
    by_awg = run("conductor-resistance", awg=awg, length_m=10)["resistance_mohm"]
    by_area = run("conductor-resistance", area_mm2=AREA[awg], length_m=10)["resistance_mohm"]
    assert by_awg == pytest.approx(by_area, rel=0.13)


def test_copper_at_sixty_degrees_is_sixteen_per_cent_worse() -> None:
    cold = run("conductor-resistance", area_mm2=6, length_m=1, conductor_temp_c=20)["resistance_mohm"]
    assert run("conductor-resistance", area_mm2=6, length_m=1, conductor_temp_c=60)["resistance_mohm"] == pytest.approx(1.1572 * cold)


@given(st.sampled_from(SIZES), st.sampled_from([60, 70, 85, 90, 105, 125]), st.integers(1, 20), st.floats(20, 55))
def test_ampacity_only_falls_with_company_and_heat(area: float, insulation: int, together: int, air: float) -> None:
    def amps(**more: Any) -> float:
        return float(
            run("conductor-ampacity", **{"area_mm2": area, "insulation_temp_c": insulation, "bundled_count": together, "ambient_temp_c": air, **more})[
                "ampacity_a"
            ]
        )

    base = amps()
    assert amps(bundled_count=together + 1) <= base + 1e-9
    assert amps(ambient_temp_c=air + 3) <= base + 1e-9
    assert amps(installation="conduit") <= base + 1e-9
    assert amps(covered_length_mm=500) <= base + 1e-9
    assert amps(ambient_temp_c=30, bundled_count=1) == run("conductor-ampacity", area_mm2=area, insulation_temp_c=insulation)["table_ampacity_a"]


def test_an_engine_space_counts_as_at_least_fifty_degrees() -> None:
    cool = run("conductor-ampacity", area_mm2=6, engine_space=True)
    hot = run("conductor-ampacity", area_mm2=6, ambient_temp_c=50)
    assert cool["ampacity_a"] == hot["ampacity_a"]
    assert cool["ambient_factor_frac"] == pytest.approx(math.sqrt(40 / 60))


@given(st.sampled_from(SIZES), LENGTH, CURRENT)
def test_drop_is_ohms_law_and_heat_is_joules(area: float, length: float, current: float) -> None:
    try:
        out = run("voltage-drop", area_mm2=area, length_m=length, current_a=current)
    except BadInput as bad:
        assert bad.key == "current_a"
        return
    r = out["resistance_mohm"] / 1000
    assert out["drop_v"] == pytest.approx(current * r)
    assert out["heat_w"] == pytest.approx(current * out["drop_v"])
    assert out["load_voltage_v"] + out["drop_v"] == pytest.approx(12)
    assert out["ok"] == (out["drop_v"] <= out["limit_v"] + 1e-9)


@given(st.sampled_from(SIZES), LENGTH, st.floats(5, 500))
def test_constant_power_delivers_its_power(area: float, length: float, watts: float) -> None:
    try:
        out = run("voltage-drop", area_mm2=area, length_m=length, power_w=watts, source_voltage_v=12.8)
    except BadInput as bad:
        assert bad.key == "power_w"
        most = 12.8**2 / (4 * run("conductor-resistance", area_mm2=area, length_m=length, conductors_count=2, conductor_temp_c=60)["resistance_mohm"] / 1000)
        assert watts > most * 0.999
        return
    assert out["current_a"] * out["load_voltage_v"] == pytest.approx(watts)
    assert out["load_voltage_v"] >= 12.8 / 2 - 1e-9, "the upper of the two solutions"


@given(st.sampled_from(SIZES), CURRENT)
def test_the_longest_run_is_exactly_at_its_limit(area: float, current: float) -> None:
    longest = run("voltage-drop", area_mm2=area, length_m=1e-3, current_a=current)["max_length_m"]
    assume(0 < longest <= 1000)
    out = run("voltage-drop", area_mm2=area, length_m=longest, current_a=current)
    assert out["drop_v"] == pytest.approx(out["limit_v"])


@given(st.sampled_from(SIZES), LENGTH, st.floats(0.1, 20))
def test_a_strip_loses_half_of_what_a_lamp_at_its_end_would(area: float, length: float, current: float) -> None:
    try:
        end = run("voltage-drop", area_mm2=area, length_m=length, current_a=current)
    except BadInput:
        return
    spread = run("voltage-drop", area_mm2=area, length_m=length, current_a=current, distributed=True)
    assert spread["drop_v"] == pytest.approx(end["drop_v"] / 2)
    assert spread["heat_w"] == pytest.approx(end["heat_w"] / 3)


def sized(**data: Any) -> dict[str, Any]:
    return run("wire-size", **data)


@settings(deadline=None)
@given(CURRENT, LENGTH, st.floats(1.01, 3))
def test_more_length_or_current_never_gives_a_thinner_cable(current: float, length: float, more: float) -> None:
    for series in ("metric", "awg"):
        key = f"{series}_area_mm2"
        base = sized(current_a=current, length_m=length)[key]
        longer = sized(current_a=current, length_m=length * more)[key]
        heavier = sized(current_a=current * more, length_m=length)[key]
        for other in (longer, heavier):
            assert other is None or (base is not None and other >= base)


@settings(deadline=None)
@given(CURRENT, LENGTH)
def test_the_chosen_cable_passes_and_the_next_smaller_does_not(current: float, length: float) -> None:
    out = sized(current_a=current, length_m=length)
    area = out["metric_area_mm2"]
    assume(area is not None)
    assert out["metric_ampacity_a"] >= out["fuse_a"] - 1e-9
    assert out["metric_drop_v"] <= out["limit_v"] + 1e-9
    if out["metric_rejected_size"] is not None:
        assert out["metric_rejected_size"] < area
        assert out["metric_rejected_reasons"]
    check = run("voltage-drop", area_mm2=area, length_m=length, current_a=current, conductor_temp_c=out["metric_conductor_temp_c"])
    assert check["drop_v"] == pytest.approx(out["metric_drop_v"])


def test_what_rejects_a_cable_is_named() -> None:
    assert sized(current_a=0.5, length_m=1)["metric_rejected_reasons"] == ["mechanical"]
    assert "drop" in sized(current_a=6, length_m=14)["metric_rejected_reasons"]
    assert "fuse" in sized(current_a=100, length_m=0.3, drop_class="non_critical")["metric_rejected_reasons"]
    none = sized(current_a=600, length_m=10)
    assert none["metric_area_mm2"] is None
    assert none["metric_rejected_size"] == 120


@given(st.lists(st.floats(0.1, 12), min_size=1, max_size=12), st.floats(10, 40))
def test_a_split_loses_no_load_and_overloads_no_circuit(amps: list[float], ampacity: float) -> None:
    loads = [{"id": f"l{i}", "current_a": a} for i, a in enumerate(amps)]
    out = run("circuit-split", cable_ampacity_a=ampacity, loads=loads)
    placed = sorted([i for c in out["circuits"] for i in c] + out["oversize"])
    assert placed == sorted(x["id"] for x in loads)
    assert all(a <= out["usable_a"] + 1e-9 for a in out["circuit_current_a"])
    assert sum(out["circuit_current_a"]) + sum(amps[int(i[1:])] for i in out["oversize"]) == pytest.approx(out["total_a"])
    assert out["circuit_count"] == len(out["circuits"]) + len(out["oversize"])


@given(st.floats(0.5, 150), st.floats(5, 300))
def test_a_fuse_stands_inside_its_window(load: float, ampacity: float) -> None:
    out = run("fuse-select", continuous_current_a=load, cable_ampacity_a=ampacity)
    if out["status"] == "ok":
        assert out["window_low_a"] - 1e-9 <= out["fuse_a"] <= out["window_high_a"] + 1e-9
        assert out["fuse_a"] == min(c["fuse_a"] for c in out["candidates"])
        assert out["fuse_a"] in FAMILIES[out["family"]].ratings
        assert out["fuse_a"] <= ampacity
    elif out["status"] == "window_empty":
        assert 1.25 * load > ampacity
    else:
        assert out["candidates"] == []


@pytest.mark.parametrize(
    ("more", "status"),
    [
        ({}, "ok"),
        ({"cable_ampacity_a": 9}, "window_empty"),
        ({"device_max_fuse_a": 9}, "window_empty"),
        ({"holder_rating_a": 11, "cable_ampacity_a": 11}, "ok"),
        ({"families": ["blade_standard"], "cable_ampacity_a": 14, "continuous_current_a": 9}, "no_standard_rating"),
        ({"families": ["blade_standard"], "system_voltage_v": 58.4}, "voltage"),
        ({"families": ["blade_standard"], "prospective_current_a": 5000}, "interrupt"),
    ],
)
def test_why_no_fuse_fits(more: dict[str, Any], status: str) -> None:
    base = {"continuous_current_a": 8, "cable_ampacity_a": 30}
    assert run("fuse-select", **{**base, **more})["status"] == status


def test_a_start_asks_for_more_fuse_than_the_running_load() -> None:
    calm = run("fuse-select", continuous_current_a=3, cable_ampacity_a=30)
    start = run("fuse-select", continuous_current_a=3, cable_ampacity_a=30, inrush_current_a=40, inrush_time_s=0.1)
    assert start["window_low_a"] == pytest.approx(40 / inrush_multiple(0.1))
    assert start["fuse_a"] > calm["fuse_a"]
    assert inrush_multiple(0.01) > inrush_multiple(0.2) > inrush_multiple(60) > 1


def test_families_are_sorted_and_break_less_at_higher_voltage() -> None:
    for family in FAMILIES.values():
        assert list(family.ratings) == sorted(set(family.ratings)), family.key
        volts = [v for v, _ in family.interrupt]
        assert volts == sorted(volts)
        breaks = [a for _, a in family.interrupt]
        assert breaks == sorted(breaks, reverse=True)
        assert family.max_v == volts[-1]
