"""The calculators of warmth and air: what they refuse by name, their limits, and the laws that tie them to each other."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import CALCULATORS, calculate
from bothy.core.contract import BadInput
from bothy.core.fluid import friction
from bothy.core.warmth.air import PER_FLOW, R_V, density_ratio, pressure_pa, saturation_pa
from bothy.core.warmth.build_up import curve_void_mm, gap_r
from bothy.core.warmth.coolant import FLUIDS, convector_w, floor_w_m2
from bothy.core.warmth.moisture import EVENTS, RATES

WALL = [{"material": "plywood", "thickness_mm": 4}, {"material": "sheep_wool", "thickness_mm": 50}, {"material": "steel_skin", "thickness_mm": 0.8}]
RUN = {"name": "a", "diameter_mm": 60, "length_m": 2}


def run(name: str, **data: Any) -> dict[str, Any]:
    """A calculator's own example with some of it changed."""
    return calculate(name, {**CALCULATORS[name].example, **data}).dump()


REFUSED: list[tuple[str, dict[str, Any], str, str]] = [
    ("shell-area", {"preset": "castle"}, "preset", "must be one of"),
    ("shell-area", {"preset": "box", "length_m": 3, "width_m": 2}, "height_m", "required for a box"),
    ("shell-area", {"preset": "trailer", "cab": "open"}, "cab", "no cab to be open to"),
    ("shell-area", {"preset": "large_van", "openings": [{"on": "front", "area_m2": 0.2}]}, "on", "no front wall"),
    ("shell-area", {"preset": "large_van", "openings": [{"on": "rear", "area_m2": 9}]}, "openings", "larger than the rear"),
    (
        "shell-area",
        {"preset": "trailer", "openings": [], "slide_outs": [{"on": "rear", "depth_m": 0.5, "width_m": 3, "height_m": 2}]},
        "slide_outs",
        "larger than the rear",
    ),
    ("shell-area", {"preset": "trailer", "openings": [], "pop_top": {"length_m": 6, "width_m": 3, "height_m": 0.5}}, "pop_top", "larger than the roof"),
    ("shell-area", {"taper_frac": 0.4}, "taper_frac", "at least 0.5"),
    ("u-value", {"layers": []}, "layers", "at least 1"),
    ("u-value", {"layers": [{"material": "plywood"}]}, "thickness_mm", "is required"),
    ("u-value", {"layers": [{"material": "plywood", "thickness_mm": 0}]}, "thickness_mm", "more than 0"),
    ("u-value", {"layers": [{"material": "plywood", "thickness_mm": 501}]}, "thickness_mm", "at most 500"),
    ("u-value", {"layers": [{"material": "cheese", "thickness_mm": 5}]}, "material", "not a material"),
    ("u-value", {"layers": [{"name": "own", "thickness_mm": 5}]}, "conductivity_w_mk", "is required"),
    ("u-value", {"layers": [{"type": "air_gap", "thickness_mm": 0.5}]}, "thickness_mm", "1 to 300"),
    ("u-value", {"layers": [{"type": "air_gap", "thickness_mm": 20, "emissivity_1_frac": 0}]}, "emissivity_1_frac", "more than 0"),
    ("u-value", {"rib": {"spacing_mm": 70, "flange_width_mm": 50}}, "spacing_mm", "ribs’ own"),
    ("u-value", {"void_frac": 0.6}, "void_frac", "at most 0.5"),
    ("heat-loss", {"outdoor_temp_c": 20}, "outdoor_temp_c", "below the temperature inside"),
    ("heat-loss", {"surfaces": [{"name": "a", "area_m2": 0, "u_value_w_m2k": 1}]}, "surfaces", "some area"),
    ("heat-loss", {"surfaces": [{"name": "a", "area_m2": 1, "u_value_w_m2k": 0}]}, "u_value_w_m2k", "more than 0"),
    ("heat-loss", {"surfaces": [{"name": "a", "area_m2": 1, "u_value_w_m2k": 1, "b_frac": 1.2}]}, "b_frac", "at most 1"),
    ("heat-loss", {"outdoor_temp_c": 80}, "outdoor_temp_c", "at most 60"),
    ("buffer-temp", {"ua_to_outside_w_k": 0}, "ua_to_outside_w_k", "more than 0"),
    ("warm-up-time", {"volume_m3": 0, "contents": []}, "contents", "nothing holds heat"),
    ("warm-up-time", {"ua_w_k": 0}, "ua_w_k", "more than 0"),
    ("dew-point", {"rh_frac": 0}, "rh_frac", "more than 0"),
    ("dew-point", {"temp_c": 70}, "temp_c", "at most 60"),
    ("condensation-check", {"outdoor_temp_c": 20}, "outdoor_temp_c", "must differ"),
    ("condensation-check", {"layers": [{"conductivity_w_mk": 0.04, "thickness_mm": 30}]}, "mu", "how vapour passes"),
    ("moisture-balance", {"flow_m3_h": None, "volume_m3": None}, "volume_m3", "is required"),
    ("moisture-balance", {"flow_m3_h": None, "volume_m3": 9}, "ach_per_h", "is required"),
    ("moisture-balance", {"sources": [{"count": 2}]}, "rate_g_h", "is required"),
    ("moisture-balance", {"sources": []}, "sources", "at least 1"),
    ("moisture-balance", {"surfaces": [{"name": "a", "u_value_w_m2k": 9, "rsi_m2k_w": 0.2}]}, "rsi_m2k_w", "whole resistance"),
    ("vent-rate", {"mode": "given", "flow_m3_h": None}, "flow_m3_h", "is required"),
    ("vent-rate", {"mode": "fan"}, "fan_flow_max_m3_h", "is required"),
    ("vent-rate", {"mode": "fan", "fan_flow_max_m3_h": 90}, "inlet_area_mm2", "is required"),
    ("vent-rate", {"mode": "passive", "low_area_mm2": 10, "high_area_mm2": 10}, "outdoor_temp_c", "is required"),
    ("vent-rate", {"mode": "wish"}, "mode", "must be one of"),
    ("gas-vent-area", {"floor_area_m2": None}, "floor_area_m2", "is required"),
    ("gas-vent-area", {"region": "au", "floor_area_m2": None}, "people_count", "is required"),
    ("gas-vent-area", {"grille_free_frac": 0}, "grille_free_frac", "more than 0"),
    ("heater-size", {"design_outdoor_temp_c": 25}, "design_outdoor_temp_c", "below the temperature inside"),
    ("heater-size", {"heater_min_w": 3000}, "heater_min_w", "at most the maximum output of the heater"),
    ("heater-fuel", {"efficiency_frac": 1.2}, "efficiency_frac", "at most 1"),
    ("heater-fuel", {"fuel": "wood"}, "tank_volume_l", "by mass"),
    ("heater-fuel", {"fuel": "peat"}, "fuel", "must be one of"),
    ("duct-run", {"diameter_mm": 10}, "diameter_mm", "at least 20"),
    ("duct-run", {"fittings": [{"kind": "knot"}]}, "kind", "must be one of"),
    ("duct-network", {"runs": [{**RUN, "open": False}]}, "runs", "every run is closed"),
    ("duct-network", {"runs": [{**RUN, "branches": [{**RUN, "open": False}]}]}, "runs", "every run is closed"),
    ("duct-network", {"runs": []}, "runs", "at least 1"),
    ("duct-network", {"runs": [{**RUN, "branches": [{**RUN, "temp_bias": 1.1}]}]}, "temp_bias", "not a known key"),
    ("outlet-assignment", {"costs": [[1, 2], [3]]}, "costs", "table of numbers"),
    ("outlet-assignment", {"costs": [[1, 2, 3], [3, 4, 5]]}, "costs", "at least as many rows"),
    ("outlet-assignment", {"costs": [[1]] * 9}, "costs", "at most 8"),
    ("outlet-assignment", {"costs": None, "outlets": [{"name": "o", "temp_c": 80}]}, "runs", "is required"),
    (
        "outlet-assignment",
        {"costs": None, "outlets": [{"name": "o", "temp_c": 80}], "runs": [{"name": n, "flow_m3_h": 9, "length_m": 1, "need_w": 1} for n in "ab"]},
        "runs",
        "more than the heater",
    ),
    ("heat-exchanger", {"hot_in_temp_c": 5}, "hot_in_temp_c", "above the cold side, going in"),
    ("heat-exchanger", {"hot_fluid": "soup"}, "hot_fluid", "must be one of"),
    ("hydronic-loop", {"pump_flow_max_l_min": None}, "pump_flow_max_l_min", "is required with"),
    ("hydronic-loop", {"pump_head_max_m": None}, "pump_head_max_m", "is required with"),
    ("hydronic-loop", {"max_fluid_temp_c": 5}, "max_fluid_temp_c", "above the temperature at filling"),
    ("cooling-load", {"outdoor_temp_c": 80}, "outdoor_temp_c", "at most 60"),
    ("cooling-load", {"opaque": [{"area_m2": 1, "u_value_w_m2k": 1}]}, "name", "is required"),
    ("ac-battery-hours", {"supply": "hamster"}, "supply", "must be one of"),
    ("ac-battery-hours", {"battery_energy_wh": 0}, "battery_energy_wh", "more than 0"),
    ("cabinet-vent", {"max_cabinet_temp_c": 20}, "max_cabinet_temp_c", "above the temperature of the room"),
    ("cabinet-vent", {"low_area_mm2": 5}, "high_area_mm2", "is required with"),
    ("cabinet-vent", {"low_area_mm2": 0, "high_area_mm2": 500}, "case_area_m2", "no way out"),
]


@pytest.mark.parametrize(("name", "change", "key", "words"), REFUSED)
def test_a_refusal_names_the_key_and_says_what_would_be_right(name: str, change: dict[str, Any], key: str, words: str) -> None:
    with pytest.raises(BadInput) as e:
        run(name, **change)
    assert e.value.key == key
    assert words in e.value.message


def test_a_path_leads_into_a_layer() -> None:
    with pytest.raises(BadInput) as e:
        calculate("u-value", {"layers": [WALL[0], {"material": "sheep_wool", "thickness_mm": -1}]})
    assert e.value.message.startswith("layers[1].thickness_mm:")


# shells


def test_what_is_cut_out_of_a_surface_stands_beside_it() -> None:
    plain = calculate("shell-area", {"preset": "large_van"}).dump()
    cut = calculate("shell-area", {"preset": "large_van", "openings": [{"on": "left", "area_m2": 0.4, "count": 2, "name": "pane"}]}).dump()
    areas = [{s["name"]: s["area_m2"] for s in x["surfaces"]} for x in (plain, cut)]
    assert areas[0]["left"] - areas[1]["left"] == pytest.approx(0.8)
    assert areas[1]["pane"] == pytest.approx(0.8)
    assert plain["total_area_m2"] == pytest.approx(cut["total_area_m2"])
    assert plain["volume_m3"] == cut["volume_m3"]


@pytest.mark.parametrize("cab", ["bulkhead", "none"])
def test_a_shut_cab_makes_a_front_wall(cab: str) -> None:
    r = calculate("shell-area", {"preset": "large_van", "cab": cab}).dump()
    front = next(s for s in r["surfaces"] if s["name"] == "front")
    assert front["kind"] == ("bulkhead" if cab == "bulkhead" else "wall")
    assert not [s for s in r["surfaces"] if s["name"].startswith("cab_")]


def test_a_box_pop_top_adds_its_canvas_and_its_air() -> None:
    top = {"length_m": 2.0, "width_m": 1.2, "height_m": 0.7}
    r = calculate("shell-area", {"length_m": 3, "width_m": 1.8, "height_m": 1.9, "pop_top": top}).dump()
    area = {s["name"]: s["area_m2"] for s in r["surfaces"]}
    assert area["pop_top_canvas"] == pytest.approx(2 * 3.2 * 0.7)
    assert area["pop_top_lid"] == pytest.approx(2.4)
    assert r["volume_m3"] == pytest.approx(3 * 1.8 * 1.9 + 2.0 * 1.2 * 0.7)


# build-ups


def test_foil_helps_only_at_a_gap() -> None:
    dull, bright = (gap_r(20, "horizontal", 0.9, e) for e in (0.9, 0.05))
    assert bright > 2.5 * dull
    flat = run("u-value", layers=[{"material": "bubble_foil", "thickness_mm": 4}, WALL[2]])
    none = run("u-value", layers=[WALL[2]])
    assert 1 / flat["u_value_w_m2k"] - 1 / none["u_value_w_m2k"] == pytest.approx(0.004 / 0.045)


@given(mm=st.floats(1, 300), direction=st.sampled_from(["up", "horizontal", "down"]))
def test_a_gap_insulates_and_never_without_end(mm: float, direction: str) -> None:
    assert 0 < gap_r(mm, direction) < 0.6
    assert gap_r(mm, "down") >= gap_r(mm, "up") - 1e-12


def test_precedence_of_what_a_layer_says() -> None:
    own = run("u-value", layers=[{"material": "sheep_wool", "thickness_mm": 50, "r_m2k_w": 2.0}])
    typed = run("u-value", layers=[{"material": "sheep_wool", "thickness_mm": 50, "conductivity_w_mk": 0.05}])
    assert own["r_layers_m2k_w"] == [2.0]
    assert typed["r_layers_m2k_w"] == [pytest.approx(1.0)]
    assert run("u-value", layers=[{"r_m2k_w": 1.5}])["thickness_mm"] == 0


def test_wind_takes_the_outer_film_away() -> None:
    calm, storm = (run("u-value", wind_speed_m_s=v) for v in (4, 30))
    assert storm["u_value_w_m2k"] > calm["u_value_w_m2k"]
    assert calm["u_value_w_m2k"] == pytest.approx(run("u-value")["u_value_w_m2k"])


def test_both_schools_of_ribs_and_the_safer_is_the_zone() -> None:
    rib = {"spacing_mm": 600, "flange_width_mm": 50}
    zone, parallel = (run("u-value", layers=WALL, rib={**rib, "method": m}) for m in ("zone", "parallel"))
    assert zone["u_value_w_m2k"] > parallel["u_value_w_m2k"] > zone["u_clear_w_m2k"]
    assert zone["rib_area_frac"] == pytest.approx(76 / 600)
    assert parallel["rib_area_frac"] == pytest.approx(50 / 600)


def test_a_board_on_a_curve_by_hand() -> None:
    assert curve_void_mm(400, 2.0) == pytest.approx(10.0)


# heat


def test_a_screen_a_buffer_and_a_margin_by_hand() -> None:
    r = calculate(
        "heat-loss",
        {
            "indoor_temp_c": 20,
            "outdoor_temp_c": 0,
            "ach_per_h": 0,
            "margin_frac": 0.5,
            "internal_gains_w": 50,
            "surfaces": [
                {"name": "pane", "area_m2": 2, "u_value_w_m2k": 5, "extra_r_m2k_w": 0.3},
                {"name": "wall", "area_m2": 10, "u_value_w_m2k": 1, "b_frac": 0.5},
            ],
        },
    ).dump()
    assert [s["heat_w"] for s in r["surfaces"]] == [pytest.approx(2 * 2 * 20), pytest.approx(100)]
    assert r["net_heat_w"] == pytest.approx(130)
    assert r["design_heat_w"] == pytest.approx(195)
    assert r["largest_surface"] == "wall"


def test_gains_beyond_the_loss_leave_nothing_to_heat() -> None:
    assert run("heat-loss", internal_gains_w=20000)["net_heat_w"] == 0


def test_thin_air_carries_less() -> None:
    low, high = (run("heat-loss", vent_flow_m3_h=60, altitude_m=h) for h in (0, 3000))
    assert high["ventilation_w"] / low["ventilation_w"] == pytest.approx(density_ratio(3000))
    assert pressure_pa(0) == pytest.approx(101325)


@given(inner=st.floats(0.1, 20), outer=st.floats(0.1, 20), heat=st.floats(0, 200))
def test_a_buffer_space_gives_out_what_it_takes_in(inner: float, outer: float, heat: float) -> None:
    r = calculate("buffer-temp", {"outdoor_temp_c": -10, "indoor_temp_c": 20, "ua_to_living_w_k": inner, "ua_to_outside_w_k": outer, "heat_w": heat}).dump()
    assert r["heat_from_living_w"] + heat == pytest.approx(outer * (r["buffer_temp_c"] + 10), rel=1e-9)
    again = calculate(
        "buffer-temp", {"outdoor_temp_c": -10, "indoor_temp_c": 20, "ua_to_living_w_k": inner, "ua_to_outside_w_k": outer, "heat_w": r["heat_needed_w"]}
    ).dump()
    assert again["buffer_temp_c"] >= 3 - 1e-9


def test_no_difference_no_share() -> None:
    assert run("buffer-temp", indoor_temp_c=-8, outdoor_temp_c=-8)["b_frac"] is None


def test_warming_up_at_its_ends() -> None:
    assert run("warm-up-time", start_temp_c=25)["time_min"] == 0
    weak = run("warm-up-time", power_w=10)
    assert (weak["time_min"], weak["reachable"], weak["holds"]) == (None, False, False)
    assert run("warm-up-time", low_temp_c=-5)["coast_time_h"] is None, "it never gets colder than outside"
    assert run("warm-up-time", low_temp_c=30)["coast_time_h"] == 0


@given(power=st.floats(1500, 9000))
@settings(max_examples=30)
def test_more_power_warms_faster(power: float) -> None:
    slow, fast = (run("warm-up-time", power_w=p)["time_min"] for p in (power, power * 1.1))
    assert fast < slow


# damp


@given(flow=st.floats(1, 500), grams=st.floats(0, 1000), out=st.floats(-15, 15), rh=st.floats(0.1, 0.9))
def test_what_is_given_off_goes_out_or_condenses(flow: float, grams: float, out: float, rh: float) -> None:
    r = calculate(
        "moisture-balance", {"indoor_temp_c": 20, "outdoor_temp_c": out, "outdoor_rh_frac": rh, "flow_m3_h": flow, "sources": [{"rate_g_h": grams}]}
    ).dump()
    carried = (r["indoor_vapour_pressure_pa"] - r["outdoor_vapour_pressure_pa"]) / (R_V * 293.15) * flow * 1000
    assert carried + r["condensing_g_h"] == pytest.approx(grams, rel=1e-6, abs=1e-6)
    assert r["indoor_rh_frac"] <= 1 + 1e-12


def test_the_flow_that_is_asked_for_keeps_the_limit() -> None:
    r = run("moisture-balance")
    again = run("moisture-balance", flow_m3_h=r["required_flow_m3_h"])
    assert again["indoor_rh_frac"] == pytest.approx(0.6)


def test_damp_outside_can_not_dry_the_inside() -> None:
    assert run("moisture-balance", outdoor_temp_c=25, outdoor_rh_frac=0.9)["required_flow_m3_h"] is None


@pytest.mark.parametrize(("kind", "grams"), [*RATES.items(), *EVENTS.items()])
def test_every_source_of_the_table_counts_in_the_day(kind: str, grams: float) -> None:
    r = run("moisture-balance", sources=[{"kind": kind, "count": 3}])
    assert r["source_g_h"] == pytest.approx(3 * grams / (24 if kind in EVENTS else 1))


def test_a_surface_gets_mouldy_before_it_gets_wet() -> None:
    rows = run("moisture-balance", surfaces=[{"name": str(u), "u_value_w_m2k": u} for u in (0.5, 2.0, 3.0, 5.6)])["surfaces"]
    states = [(s["mould_risk"], s["condenses"]) for s in rows]
    assert states == sorted(states)
    assert all(s["mould_risk"] or not s["condenses"] for s in rows)


def test_a_tight_skin_hides_nothing_when_it_is_warm_outside() -> None:
    r = calculate("condensation-check", {"outdoor_temp_c": 18, "indoor_rh_frac": 0.4, "layers": WALL}).dump()
    assert (r["risk"], r["condensation_g_m2_day"], r["worst_plane"], r["air_leak_condenses"]) == ("none", 0, None, False)


def test_behind_furniture_it_moulds_sooner() -> None:
    wall, corner = (calculate("condensation-check", {"outdoor_temp_c": -5, "indoor_rh_frac": 0.6, "layers": WALL, "rsi_m2k_w": r}).dump() for r in (0.13, 0.25))
    assert corner["surface_rh_frac"] > wall["surface_rh_frac"]


@given(temp=st.floats(-40, 59))
def test_saturation_rises_without_a_step_at_freezing(temp: float) -> None:
    assert saturation_pa(temp + 0.1) > saturation_pa(temp)


# air


def test_half_speed_is_an_eighth_of_the_power_and_half_of_the_flow() -> None:
    full, half = (run("vent-rate", mode="fan", fan_flow_max_m3_h=1400, inlet_area_mm2=2e5, fan_power_max_w=36, speed_frac=s) for s in (1, 0.5))
    assert half["fan_power_w"] == pytest.approx(36 / 8)
    assert half["flow_m3_h"] == pytest.approx(full["flow_m3_h"] / 2)
    assert half["inlet_area_for_90pct_mm2"] == pytest.approx(full["inlet_area_for_90pct_mm2"])
    nine = run("vent-rate", mode="fan", fan_flow_max_m3_h=1400, inlet_area_mm2=full["inlet_area_for_90pct_mm2"])
    assert nine["flow_m3_h"] == pytest.approx(0.9 * 1400)


def test_a_fan_that_stands_still_moves_nothing() -> None:
    r = run("vent-rate", mode="fan", fan_flow_max_m3_h=1400, inlet_area_mm2=2e5, speed_frac=0, time_h=4)
    assert (r["flow_m3_h"], r["co2_ppm"], r["purge_time_min"], r["inlet_area_for_90pct_mm2"]) == (0, None, None, 0)
    assert r["co2_at_time_ppm"] == pytest.approx(420 + 1e6 * 2 * 0.018 * 4 / 12)


def test_no_vent_low_no_draught() -> None:
    assert run("vent-rate", mode="passive", low_area_mm2=0, high_area_mm2=9000, outdoor_temp_c=0)["flow_m3_h"] == 0


@given(t=st.floats(0, 48))
def test_gases_settle_from_below(t: float) -> None:
    r = run("vent-rate", time_h=t, unflued_burner_w=1000)
    assert 420 <= r["co2_at_time_ppm"] <= r["co2_ppm"] + 1e-9
    assert 0 <= r["co_at_time_ppm"] <= r["co_ppm"] + 1e-9


def test_the_vents_of_the_regions() -> None:
    walls = run("gas-vent-area", high_vent_location="wall")
    assert walls["high_area_mm2"] == 2 * run("gas-vent-area")["high_area_mm2"]
    assert run("gas-vent-area", floor_area_m2=5)["high_area_mm2"] == 7500, "the upper end of a row belongs to it"
    assert run("gas-vent-area", floor_area_m2=50)["low_area_mm2"] == 5000
    assert run("gas-vent-area", region="us", people_count=0, unflued_input_w=100)["total_area_mm2"] == 4000, "never less"
    assert run("gas-vent-area", room_sealed_input_w=50000) == run("gas-vent-area"), "what is room-sealed counts nothing"


# heaters


def test_a_heater_at_its_limits() -> None:
    r = run("heater-size")
    edge = run("heater-size", design_outdoor_temp_c=r["holds_down_to_temp_c"], margin_frac=0)
    assert edge["available_w"] == pytest.approx(edge["needed_w"])
    assert run("heater-size", mild_outdoor_temp_c=30)["mild_duty_frac"] == 0
    assert run("heater-size", heater_min_w=0)["cycles_when_mild"] is False
    assert run("heater-size", altitude_m=3000, combustion=False)["available_w"] == 2000


def test_fuel_by_hand_and_what_electricity_is() -> None:
    r = run("heater-fuel", heat_w=1000)
    assert r["fuel_kg_h"] == pytest.approx(1 / (0.8 * 11.9))
    assert r["fuel_l_day"] == pytest.approx(24 / (0.8 * 11.9) / 0.84)
    pump = run("heater-fuel", fuel="electric", efficiency_frac=3.0, heat_w=900, tank_volume_l=None)
    assert (pump["fuel_kg_h"], pump["autonomy_days"], pump["electrical_w"]) == (None, None, pytest.approx(300))
    wood = run("heater-fuel", fuel="wood", tank_volume_l=None, tank_mass_kg=20)
    assert wood["fuel_l_h"] is None
    assert wood["autonomy_days"] > 0
    assert run("heater-fuel", heat_w=0)["electrical_wh_day"] == 0
    assert run("heater-fuel", heat_w=3000, heater_max_w=2000)["shortfall_w"] == 1000


# ducts and loops


@given(mm=st.floats(0, 60), length=st.floats(0.1, 10), flow=st.floats(20, 200))
def test_a_sleeve_never_loses_more_and_heat_is_not_made(mm: float, length: float, flow: float) -> None:
    bare, sleeved = (
        calculate("duct-run", {"diameter_mm": 75, "length_m": length, "flow_m3_h": flow, "supply_temp_c": 90, "ambient_temp_c": 0, "insulation_mm": m}).dump()
        for m in (0, mm)
    )
    assert sleeved["loss_w"] <= bare["loss_w"] + 1e-9
    assert sleeved["delivered_w"] + sleeved["loss_w"] == pytest.approx(1.2 * flow / 3600 * 1006 * 70, rel=1e-9)


def test_cold_air_cools_the_zone() -> None:
    r = run("duct-run", supply_temp_c=10)
    assert r["delivered_w"] < 0
    assert r["loss_frac"] is None


@given(ua=st.floats(10, 5000), hot=st.floats(1, 20), cold=st.floats(1, 20), way=st.sampled_from(["counter", "parallel"]))
def test_an_exchanger_keeps_its_heat_and_its_order(ua: float, hot: float, cold: float, way: str) -> None:
    r = calculate(
        "heat-exchanger", {"hot_in_temp_c": 70, "hot_flow_l_min": hot, "cold_in_temp_c": 10, "cold_flow_l_min": cold, "ua_w_k": ua, "arrangement": way}
    ).dump()
    h, c = FLUIDS["eg50"], FLUIDS["water"]
    assert h.rho * h.c * hot / 60000 * (70 - r["hot_out_temp_c"]) == pytest.approx(r["heat_w"], rel=1e-9)
    assert c.rho * c.c * cold / 60000 * (r["cold_out_temp_c"] - 10) == pytest.approx(r["heat_w"], rel=1e-9)
    assert 10 <= r["cold_out_temp_c"] <= 70
    assert 0 <= r["effectiveness_frac"] <= 1


def test_equal_flows_are_the_limit_of_nearly_equal_ones() -> None:
    same = {"hot_in_temp_c": 60, "cold_in_temp_c": 10, "hot_fluid": "water", "ua_w_k": 500, "cold_flow_l_min": 6}
    even, near = (calculate("heat-exchanger", {**same, "hot_flow_l_min": f}).dump()["heat_w"] for f in (6, 6.00001))
    assert even == pytest.approx(near, rel=1e-4)


def test_friction_has_no_step_where_the_flow_turns() -> None:
    for re in (2300.0, 4000.0):
        assert friction(re - 0.01, 0.01 / 16) == pytest.approx(friction(re + 0.01, 0.01 / 16), rel=1e-3)
    assert friction(1000, 0.01 / 16) == pytest.approx(0.064)


def test_a_given_flow_says_what_it_cools_by() -> None:
    r = run("hydronic-loop")
    again = run("hydronic-loop", flow_l_min=r["flow_l_min"])
    assert again["delta_t_k"] == pytest.approx(r["delta_t_k"])
    assert run("hydronic-loop", pump_head_max_m=0.01)["pump_ok"] is False
    assert run("hydronic-loop", flow_l_min=100)["pump_available_head_m"] == 0


def test_emitters_by_hand() -> None:
    assert 5 * floor_w_m2(27, 20) == pytest.approx(379, rel=0.01)
    assert floor_w_m2(18, 20) == 0
    assert convector_w(1000, 70, 20) == pytest.approx(1000)
    assert convector_w(1000, 45, 20) == pytest.approx(1000 * 0.5**1.3)


# cooling


def test_the_free_running_temperature_is_where_nothing_remains_to_take_away() -> None:
    data = {
        "outdoor_temp_c": 32,
        "outdoor_rh_frac": 0.1,
        "flow_m3_h": 40,
        "appliances_w": 80,
        "people_count": 2,
        "person_latent_w": 0,
        "opaque": [{"name": "roof", "area_m2": 5, "u_value_w_m2k": 0.8, "irradiance_w_m2": 350, "horizontal": True}],
        "glazing": [{"area_m2": 1, "u_value_w_m2k": 3, "irradiance_w_m2": 80}],
    }
    free = calculate("cooling-load", {**data, "outdoor_temp_c": 20}).dump()["free_running_temp_c"]
    assert 25 < free < 40
    there = calculate("cooling-load", {**data, "outdoor_temp_c": 20, "indoor_temp_c": free}).dump()
    assert there["sensible_w"] == pytest.approx(0, abs=1e-6)


def test_a_closed_box_of_nothing_has_no_temperature() -> None:
    assert calculate("cooling-load", {"outdoor_temp_c": 30}).dump()["free_running_temp_c"] is None


def test_only_the_roof_sees_the_cold_sky() -> None:
    roof, wall = (
        calculate("cooling-load", {"outdoor_temp_c": 30, "opaque": [{"name": "s", "area_m2": 1, "u_value_w_m2k": 1, "horizontal": h}]}).dump()
        for h in (True, False)
    )
    assert wall["opaque"][0]["sol_air_temp_c"] - roof["opaque"][0]["sol_air_temp_c"] == pytest.approx(0.9 * 63 / 17)


def test_a_cooler_on_the_bank_at_its_ends() -> None:
    assert run("ac-battery-hours", solar_power_w=5000)["time_h"] is None, "the sun carries it"
    blown = run("ac-battery-hours", capacity_w=1000, exhaust_hose_flow_m3_h=2000)
    assert (blown["net_capacity_w"], blown["duty_frac"]) == (0, 1)
    assert blown["hose_penalty_w"] == pytest.approx(PER_FLOW * 2000 * 10)
    assert run("ac-battery-hours", supply="inverter", inverter_surge_w=400)["start_ok"] is False
    assert run("ac-battery-hours", supply="inverter", inverter_surge_w=9000)["start_ok"] is True
    assert run("ac-battery-hours", cooling_load_w=9000)["unmet_w"] == 7000


@given(heat=st.floats(1, 400), area=st.floats(2000, 60000), case=st.floats(0, 2))
@settings(max_examples=40)
def test_the_vents_that_are_asked_for_hold_the_cabinet(heat: float, area: float, case: float) -> None:
    r = run("cabinet-vent", heat_w=heat, case_area_m2=case)
    if r["vent_area_each_mm2"] > 0:
        held = run("cabinet-vent", heat_w=heat, case_area_m2=case, low_area_mm2=r["vent_area_each_mm2"], high_area_mm2=r["vent_area_each_mm2"])
        assert held["cabinet_temp_c"] == pytest.approx(40, abs=0.01)
    some, more = (run("cabinet-vent", heat_w=heat, case_area_m2=case, low_area_mm2=a, high_area_mm2=a)["cabinet_temp_c"] for a in (area, 2 * area))
    assert more <= some + 1e-9
    assert run("cabinet-vent", heat_w=0, low_area_mm2=0, high_area_mm2=0)["cabinet_temp_c"] == 25
    assert math.isfinite(some)
