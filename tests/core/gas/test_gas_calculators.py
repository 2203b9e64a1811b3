"""Gas's calculators beyond the worked examples: the method's tables, mass and heat kept, trees against the single pipe, refusals by name."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import CALCULATORS, calculate
from bothy.core.contract import BadInput
from bothy.core.gas.mixture import ATM_MBAR, PRESETS, GasKey, mixture_of
from bothy.core.gas.pipe import SegmentIn, solve_tree

TABLE = {
    -20: ((1.44, 1.00), (-0.48, 0), (0.97, 0.70), (0.61, 0.36), (0.21, 0)),
    -10: ((2.45, 1.00), (-0.20, 0), (1.80, 0.83), (1.31, 0.65), (0.76, 0.36)),
    0: ((3.74, 1.00), (0.18, 0), (2.87, 0.92), (2.21, 0.82), (1.47, 0.68)),
    5: ((4.51, 1.00), (0.42, 0.94), (3.51, 0.98), (2.75, 0.97), (1.89, 0.96)),
    20: ((7.37, 1.00), (1.35, 1.00), (5.89, 1.00), (4.77, 1.00), (3.52, 1.00)),
    50: ((16.15, 1.00), (4.51, 1.00), (13.29, 1.00), (11.13, 1.00), (8.71, 1.00)),
}
"""Gauge pressure in bar and usable share, by °C and preset (method gas.mixture)."""
GASES: tuple[GasKey, ...] = ("propane", "butane", "mix_70_30", "mix_50_50", "mix_30_70")


@pytest.mark.parametrize("temp", TABLE)
def test_the_table_of_pressures_and_usable_shares(temp: int) -> None:
    for gas, (bar, share) in zip(GASES, TABLE[temp], strict=True):
        out = calculate("vapour-pressure", {"gas": gas, "temp_c": temp}).dump()
        assert out["vapour_pressure_gauge_mbar"] / 1000 == pytest.approx(bar, abs=0.006)
        assert out["usable_mass_frac"] == pytest.approx(share, abs=0.006)


@pytest.mark.parametrize(("gas", "coldest"), [("propane", -36), ("butane", 2.6), ("mix_70_30", -31), ("mix_50_50", -26), ("mix_30_70", -18)])
def test_the_coldest_use_of_each_gas(gas: GasKey, coldest: float) -> None:
    assert mixture_of(PRESETS[gas]).coldest_c(ATM_MBAR + 300) == pytest.approx(coldest, abs=0.5)


fractions = st.tuples(st.floats(0.01, 1), st.floats(0.01, 1), st.floats(0.01, 1))


@settings(max_examples=60, deadline=None)
@given(fractions, st.floats(-40, 40))
def test_a_mixture_lies_between_its_parts_and_propane_leaves_first(w: Any, temp: float) -> None:
    total = sum(w)
    own = {k: x / total for k, x in zip(("propane_frac", "isobutane_frac", "n_butane_frac"), w, strict=True)}
    out = calculate("vapour-pressure", {**own, "temp_c": temp}).dump()
    lo, hi = (calculate("vapour-pressure", {**g, "temp_c": temp}).dump()["vapour_pressure_abs_mbar"] for g in ({"n_butane_frac": 1}, {"propane_frac": 1}))
    assert lo <= out["vapour_pressure_abs_mbar"] * (1 + 1e-9)
    assert out["vapour_pressure_abs_mbar"] <= hi * (1 + 1e-9)
    assert out["vapour_mole_frac"]["propane"] >= out["liquid_mole_frac"]["propane"] - 1e-12
    assert math.isclose(sum(out["vapour_mole_frac"].values()), 1, rel_tol=1e-9)
    assert 0 <= out["usable_mass_frac"] <= 1
    warmer = calculate("vapour-pressure", {**own, "temp_c": temp + 2}).dump()
    assert warmer["usable_mass_frac"] >= out["usable_mass_frac"] - 1e-9
    assert out["usable"] == (temp >= out["min_temp_c"] - 1e-6)


@pytest.mark.parametrize(
    ("gas", "diameter", "kg", "shell", "air", "steady", "burst"),
    [
        ("propane", 0.30, 5.5, 11, -5, 0.31, 1.37),
        ("propane", 0.23, 2.5, 6, 15, 0.21, 0.73),
        ("butane", 0.30, 6.5, 10, -5, 0, 0),
        ("propane", 0.31, 6.8, 11, -15, 0.30, 1.32),
    ],
)
def test_the_table_of_what_cylinders_give(gas: str, diameter: float, kg: float, shell: float, air: float, steady: float, burst: float) -> None:
    out = calculate("vaporisation-limit", {"gas": gas, "cylinder_diameter_m": diameter, "liquid_kg": kg, "shell_kg": shell, "air_temp_c": air}).dump()
    assert out["continuous_kg_h"] == pytest.approx(steady, abs=0.012)
    assert out["burst_kg_h"] == pytest.approx(burst, abs=0.03)


def test_a_cylinder_that_is_asked_for_too_much_says_how_long_it_lasts() -> None:
    base = {"cylinder_diameter_m": 0.3, "liquid_kg": 5.5, "shell_kg": 11, "air_temp_c": 0}
    little = calculate("vaporisation-limit", {**base, "demand_kg_h": 0.1}).dump()
    assert little["verdict"] == "continuous"
    assert -25 < little["liquid_temp_at_demand_c"] < 0
    much = calculate("vaporisation-limit", {**base, "demand_kg_h": 2.0}).dump()
    assert much["verdict"] == "too-much"
    assert much["time_to_limit_h"] < 1
    dead = calculate("vaporisation-limit", {**base, "gas": "butane", "demand_kg_h": 0.1}).dump()
    assert (dead["verdict"], dead["time_to_limit_h"], dead["continuous_kg_h"]) == ("too-much", 0, 0)
    assert calculate("vaporisation-limit", {**base, "demand_kg_h": 0}).dump()["time_to_empty_h"] is None


CHAIN = st.lists(st.tuples(st.floats(0.2, 5), st.floats(0, 4000), st.integers(0, 5)), min_size=1, max_size=8)


@settings(max_examples=50, deadline=None)
@given(CHAIN, st.sampled_from([6.0, 8.0, 10.0]))
def test_the_tree_carries_all_gas_and_each_pipe_drops_as_the_single_one(tree: Any, bore: float) -> None:
    mix = mixture_of(PRESETS["propane"])
    segments = [
        SegmentIn.model_validate({"name": f"s{i}", "from": "regulator" if i == 0 else f"s{min(up, i - 1)}", "length_m": length, "heat_input_w": w})
        for i, (length, w, up) in enumerate(tree)
    ]
    solved = {s.name: s for s in solve_tree(segments, bore, mix, 30, 15)}
    assert math.isclose(solved["s0"].flow_kg_h, sum(s.own(mix) for s in segments), rel_tol=1e-9, abs_tol=1e-12)
    for s in segments:
        me = solved[s.name]
        below = sum(solved[c.name].flow_kg_h for c in segments if c.from_ == s.name)
        assert math.isclose(me.flow_kg_h, s.own(mix) + below, rel_tol=1e-9, abs_tol=1e-12), "what enters leaves"
        one = calculate("gas-pipe-drop", {"flow_kg_h": me.flow_kg_h, "inner_diameter_mm": bore, "length_m": s.length_m}).dump()
        assert math.isclose(one["total_mbar"], me.drop_mbar, rel_tol=1e-9, abs_tol=1e-12)
        assert me.cumulative_mbar >= me.drop_mbar - 1e-12


def test_the_size_is_the_smallest_that_will_do() -> None:
    base = {"segments": [{"name": "a", "length_m": 6, "heat_input_w": 6000}]}
    size = calculate("gas-pipe-size", base).dump()["inner_diameter_mm"]
    assert size == 8
    assert not calculate("gas-pipe-size", {**base, "catalogue_mm": [6]}).dump()["ok"]
    fixed = {"segments": [{"name": "a", "length_m": 6, "heat_input_w": 6000, "inner_diameter_mm": 6}]}
    assert not calculate("gas-pipe-size", fixed).dump()["ok"], "a pipe that is laid stays as it is"


@settings(max_examples=40, deadline=None)
@given(st.floats(100, 300), st.floats(-10, 35), st.floats(-1.5, 1.5), st.floats(960, 1040), st.floats(-8, 8))
def test_a_tight_line_passes_in_any_weather(start: float, temp: float, warms: float, baro: float, weather: float) -> None:
    """What warmth and weather alone do to a tight line is no leak."""
    end = (start + baro) * (temp + warms + 273.15) / (temp + 273.15) - (baro + weather)
    test = {
        "start_mbar": start,
        "end_mbar": end,
        "duration_min": 10,
        "volume_l": 0.5,
        "start_temp_c": temp,
        "end_temp_c": temp + warms,
        "baro_start_mbar": baro,
        "baro_end_mbar": baro + weather,
        "min_test_mbar": 100,
    }
    out = calculate("gas-leak-test", test).dump()
    assert out["verdict"] == "pass"
    leaks = calculate("gas-leak-test", {**test, "end_mbar": end - 2}).dump()
    assert leaks["verdict"] == "fail"
    assert leaks["leak_working_g_h"] > 0


def test_what_spoils_a_leak_test_comes_before_its_verdict() -> None:
    base = {"start_mbar": 150, "end_mbar": 140, "duration_min": 5, "volume_l": 0.4}
    assert calculate("gas-leak-test", base).dump()["verdict"] == "fail"
    assert calculate("gas-leak-test", {**base, "end_temp_c": 20}).dump()["verdict"] == "repeat"
    assert calculate("gas-leak-test", {**base, "stabilise_min": 1}).dump()["reasons"] == ["not-stabilised", "drop-over-limit"]
    assert calculate("gas-leak-test", {**base, "end_mbar": 150, "start_mbar": 100}).dump()["verdict"] == "repeat"


def test_meals_by_every_method() -> None:
    rows = {m["method"]: m for m in calculate("cooking-energy-compare", {"boil_l": 1.5, "simmer_min": 12}).dump()["methods"]}
    assert [round(rows[m]["fuel_g"]) for m in ("lpg_hob", "alcohol_stove", "diesel_hob")] == [34, 59, 56]
    assert [round(rows[m]["battery_wh"]) for m in ("induction", "resistive_hob")] == [270, 327]
    assert rows["diesel_hob"]["water_vapour_g"] == 0 < rows["lpg_hob"]["water_vapour_g"]


@pytest.mark.parametrize(
    ("name", "change", "key", "words"),
    [
        ("vapour-pressure", {"propane_frac": 0.5}, "gas", "not both"),
        ("vapour-pressure", {"gas": None, "propane_frac": 0.5}, "propane_frac", "add up"),
        ("vapour-pressure", {"altitude_m": 100, "atmosphere_mbar": 1000}, "altitude_m", "not both"),
        ("gas-consumption", {"appliances": [{"kind": "oven", "heat_output_w": 1000}]}, "efficiency_frac", "required"),
        ("gas-consumption", {"appliances": [{"kind": "oven", "heat_output_w": 1000, "heat_input_w": 1000}]}, "heat_output_w", "not both"),
        ("gas-autonomy", {"vessels": [{"kind": "tank"}]}, "water_capacity_l", "required"),
        ("gas-autonomy", {"vessels": [{"kind": "tank", "water_capacity_l": 50, "fill_limit_frac": 0.95}]}, "fill_limit_frac", "0.85"),
        ("gas-pipe-drop", {"flow_kg_h": 1}, "flow_kg_h", "not both"),
        ("gas-pipe-drop", {"fittings": {"valve_stop": 1}}, "fittings", "not a known"),
        ("gas-pipe-size", {"segments": [{"name": "a", "from": "b", "length_m": 1, "heat_input_w": 1}]}, "from", "neither"),
        (
            "gas-pipe-size",
            {"segments": [{"name": "a", "from": "b", "length_m": 1, "heat_input_w": 1}, {"name": "b", "from": "a", "length_m": 1}]},
            "from",
            "leads back",
        ),
        ("gas-pipe-size", {"segments": [{"name": "regulator", "length_m": 1, "heat_input_w": 1}]}, "name", "where the tree begins"),
        ("gas-pipe-size", {"segments": [{"name": "a", "length_m": 1}]}, "heat_input_w", "no segment"),
        ("locker-vent-area", {"region": "us"}, "gas_capacity_kg", "mass of gas"),
        ("locker-vent-area", {"vents": [{"position": "low", "diameter_mm": 60, "width_mm": 10}]}, "diameter_mm", "not both"),
        ("gas-leak-test", {"pipes": [{"inner_diameter_mm": 8, "length_m": 1}]}, "volume_l", "exactly one"),
        ("cooking-energy-compare", {"end_temp_c": 10}, "end_temp_c", "more than"),
    ],
)
def test_what_can_not_be_is_refused_by_name(name: str, change: dict[str, Any], key: str, words: str) -> None:
    with pytest.raises(BadInput) as e:
        calculate(name, {**CALCULATORS[name].example, **change})
    assert e.value.key == key
    assert words in e.value.message


def test_a_boats_drain_is_one_hole_of_its_size() -> None:
    floor = {"floor_length_m": 0.5, "floor_width_m": 0.3, "rule_set": "boat_drain"}
    assert calculate("locker-vent-area", {**floor, "vents": [{"position": "low", "diameter_mm": 19}]}).dump()["ok"]
    assert not calculate("locker-vent-area", {**floor, "vents": [{"position": "low", "diameter_mm": 10, "count": 6}]}).dump()["ok"]
