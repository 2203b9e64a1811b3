"""What nature asks of the calculators of water and gas: heat and mass are kept, more helps and never harms, and sums by hand agree."""

from __future__ import annotations

import itertools
import math
from typing import Any

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate

C_WATER = 4186.0


def out(name: str, **inp: Any) -> dict[str, Any]:
    return calculate(name, inp).dump()


# hot water


@settings(max_examples=40, deadline=None)
@given(st.floats(45, 90), st.floats(2, 20), st.floats(30, 44), st.floats(2, 15))
def test_a_mixer_keeps_heat_and_litres(hot: float, cold: float, mix: float, flow: float) -> None:
    m = out("mixed-water", hot_volume_l=20, hot_temp_c=hot, cold_temp_c=cold, mix_temp_c=mix, mix_flow_l_min=flow)
    assert m["hot_flow_l_min"] + m["cold_flow_l_min"] == pytest.approx(flow)
    assert m["hot_flow_l_min"] * hot + m["cold_flow_l_min"] * cold == pytest.approx(flow * mix)
    assert m["shower_time_min"] * flow == pytest.approx(m["mixed_volume_l"])
    hotter = out("mixed-water", hot_volume_l=20, hot_temp_c=hot + 5, cold_temp_c=cold, mix_temp_c=mix, mix_flow_l_min=flow)
    assert hotter["mixed_volume_l"] > m["mixed_volume_l"]


@settings(max_examples=40, deadline=None)
@given(st.floats(2, 60), st.floats(5, 30), st.floats(10, 50), st.floats(300, 4000))
def test_a_boiler_without_loss_takes_its_heat_over_its_power(volume: float, start: float, rise: float, power: float) -> None:
    b = out("storage-heat-time", volume_l=volume, start_temp_c=start, target_temp_c=start + rise, heat_w=power, loss_w_k=0)
    assert b["time_min"] * 60 * power == pytest.approx(C_WATER * volume * rise, rel=0.02)
    lossy = out("storage-heat-time", volume_l=volume, start_temp_c=start, target_temp_c=start + rise, heat_w=power, loss_w_k=2, ambient_temp_c=start)
    assert lossy["time_min"] is None or lossy["time_min"] >= b["time_min"]


@settings(max_examples=30, deadline=None)
@given(st.floats(1, 12), st.floats(4, 20), st.floats(25, 50), st.floats(0.5, 1))
def test_a_flow_heater_solved_three_ways_is_one_heater(flow: float, cold: float, warm: float, eta: float) -> None:
    heat = out("instant-heat", solve_for="heat", flow_l_min=flow, inlet_temp_c=cold, outlet_temp_c=warm, efficiency_frac=eta)
    assume(heat["heat_input_w"] <= 100000)
    back = out("instant-heat", solve_for="flow", inlet_temp_c=cold, outlet_temp_c=warm, heat_input_w=heat["heat_input_w"], efficiency_frac=eta)
    third = out("instant-heat", solve_for="outlet", inlet_temp_c=cold, flow_l_min=flow, heat_input_w=heat["heat_input_w"], efficiency_frac=eta)
    assert back["flow_l_min"] == pytest.approx(flow, rel=1e-6)
    assert third["outlet_temp_c"] == pytest.approx(warm, rel=1e-4)
    assert heat["heat_to_water_w"] == pytest.approx(heat["heat_input_w"] * eta)


# stores, vessels under pressure, drains


@settings(max_examples=40, deadline=None)
@given(st.floats(80, 250), st.floats(30, 200), st.floats(0.5, 30))
def test_an_accumulator_follows_boyle(low: float, span: float, volume: float) -> None:
    a = out("accumulator-size", cut_in_kpa=low, cut_out_kpa=low + span, accumulator_l=volume, atmosphere_kpa=100)
    pre = low - 14 + 100
    air_at = [pre * volume / (p + 100) for p in (low, low + span)]
    assert a["drawdown_l"] == pytest.approx(air_at[0] - air_at[1], rel=1e-6)
    back = out("accumulator-size", cut_in_kpa=low, cut_out_kpa=low + span, drawdown_l=a["drawdown_l"], atmosphere_kpa=100)
    assert back["accumulator_l"] == pytest.approx(volume, rel=1e-6)


STORES = ("fresh", "drinking", "grey", "cassette")


@settings(max_examples=40, deadline=None)
@given(st.lists(st.tuples(st.floats(5, 300), st.floats(0.2, 60)), min_size=1, max_size=4), st.floats(1, 20))
def test_the_store_that_ends_first_ends_the_stay_and_what_is_needed_just_lasts(sizes: Any, target: float) -> None:
    stores = [{"name": n, "capacity_l": c, "flow_l_day": f} for n, (c, f) in zip(STORES, sizes, strict=False)]
    a = out("water-autonomy", target_days=target, stores=stores)
    days = {s["name"]: s["days"] for s in a["stores"]}
    assert a["autonomy_days"] == pytest.approx(min(days.values()))
    assert days[a["limiting"]] == a["autonomy_days"]
    needed = [{**s, "capacity_l": next(x["capacity_needed_l"] for x in a["stores"] if x["name"] == s["name"])} for s in stores]
    again = out("water-autonomy", target_days=target, stores=needed)
    assert again["autonomy_days"] == pytest.approx(target, rel=1e-9)


@settings(max_examples=30, deadline=None)
@given(st.floats(0.05, 1), st.floats(0.05, 0.6), st.floats(0.01, 0.5), st.floats(15, 60))
def test_a_tank_runs_out_as_a_sum_of_small_steps(area: float, level: float, fall: float, bore: float) -> None:
    d = out("drain-time", area_m2=area, level_m=level, fall_m=fall, inner_diameter_mm=bore, length_m=0.4, k_total=2.0)
    k = 2.0 + 0.03 * 0.4 / (bore / 1000)
    pipe = math.pi * (bore / 1000) ** 2 / 4
    edges = np.linspace(level, 0, 2001)
    mid = (edges[:-1] + edges[1:]) / 2
    seconds = (area * (level / 2000) / (pipe * np.sqrt(2 * 9.80665 * (mid + fall) / k))).sum()
    assert d["time_min"] * 60 == pytest.approx(seconds, rel=2e-3)
    assert d["drained_l"] == pytest.approx(1000 * area * level)
    wider = out("drain-time", area_m2=area, level_m=level, fall_m=fall, inner_diameter_mm=bore + 10, length_m=0.4, k_total=2.0)
    assert wider["time_min"] < d["time_min"]


@settings(max_examples=40, deadline=None)
@given(st.floats(10, 400), st.floats(20, 120), st.floats(0.02, 0.12))
def test_a_dose_goes_with_the_litres_and_the_target(litres: float, target: float, strength: float) -> None:
    one, two = (out("sanitise-dose", product_type="liquid", system_volume_l=v, target_mg_l=target, strength_frac=strength) for v in (litres, 2 * litres))
    assert two["dose_ml"] == pytest.approx(2 * one["dose_ml"])
    assert one["chlorine_g"] == pytest.approx(litres * target / 1000)
    stronger = out("sanitise-dose", product_type="liquid", system_volume_l=litres, target_mg_l=target, strength_frac=2 * strength)
    assert stronger["dose_ml"] < one["dose_ml"]
    assert one["contact_time_min"] * target == pytest.approx(
        out("sanitise-dose", product_type="liquid", system_volume_l=litres, target_mg_l=2 * target, strength_frac=strength)["contact_time_min"] * 2 * target,
        rel=0.05,
    )


@settings(max_examples=40, deadline=None)
@given(st.floats(0.3, 1.2), st.floats(0.2, 0.6), st.floats(0.15, 0.5), st.floats(0, 20), st.sampled_from([7, 10, 25]))
def test_a_box_of_water_weighs_and_balances_as_a_box(length: float, width: float, height: float, empty: float, steps: int) -> None:
    t = out("tank-volume", prisms=[{"shape": "box", "length_m": length, "width_m": width, "height_m": height}], tank_mass_kg=empty, steps_count=steps)
    assert t["full_l"] == pytest.approx(1000 * length * width * height)
    assert t["mass_full_kg"] == pytest.approx(t["full_l"] + empty, rel=2e-3)
    assert t["cg_z_full_m"] == pytest.approx(height / 2, rel=1e-6)
    litres = [row["volume_l"] for row in t["table"]]
    assert all(b > a for a, b in itertools.pairwise(litres))
    assert len(litres) == steps + 1


@settings(max_examples=30, deadline=None)
@given(st.floats(0.15, 0.5), st.floats(0, 200), st.floats(1, 300), st.booleans())
def test_a_gauge_reads_one_way_only(height: float, empty: float, span: float, falls: bool) -> None:
    full = empty + (-span if falls and empty > span else span)
    g = out(
        "gauge-calibration",
        prisms=[{"shape": "box", "length_m": 0.8, "width_m": 0.4, "height_m": height}],
        sender_type="resistive",
        empty_signal=empty,
        full_signal=full,
    )
    signals = [row["signal"] for row in g["table"]]
    rising = all(b >= a for a, b in itertools.pairwise(signals))
    falling = all(b <= a for a, b in itertools.pairwise(signals))
    assert rising or falling
    assert [row["volume_l"] for row in g["table"]] == sorted(row["volume_l"] for row in g["table"])


@settings(max_examples=40, deadline=None)
@given(st.floats(200, 600), st.floats(-10, 30), st.floats(0.2, 20), st.floats(-1.5, 1.5))
def test_a_tight_water_line_with_air_in_it_passes_warm_or_cool(start: float, temp: float, air: float, warms: float) -> None:
    end = (start + 101.325) * (temp + warms + 273.15) / (temp + 273.15) - 101.325
    t = out("pressure-hold-test", medium="water", start_kpa=start, end_kpa=end, duration_min=60, start_temp_c=temp, end_temp_c=temp + warms, gas_volume_l=air)
    assert t["verdict"] == "pass"
    assert t["leak_ml"] == pytest.approx(0, abs=1e-3)
    leaks = out(
        "pressure-hold-test", medium="water", start_kpa=start, end_kpa=end * 0.5, duration_min=60, start_temp_c=temp, end_temp_c=temp + warms, gas_volume_l=air
    )
    assert leaks["verdict"] == "fail"
    assert leaks["leak_ml_h"] > 0


@settings(max_examples=30, deadline=None)
@given(st.floats(5, 200), st.lists(st.tuples(st.floats(100, 20000), st.floats(1, 24)), min_size=1, max_size=4))
def test_a_filter_is_done_by_its_litres_or_its_months_whichever_is_sooner(flow: float, many: Any) -> None:
    f = out(
        "filter-life",
        flow_l_day=flow,
        flow_l_min=6,
        filters=[
            {"name": f"f{i}", "rated_l": litres, "rated_months": months, "rated_flow_l_min": 8, "clean_kpa": 20} for i, (litres, months) in enumerate(many)
        ],
    )
    for row, (litres, months) in zip(f["filters"], many, strict=True):
        assert row["days"] == pytest.approx(min(litres / flow, months * 365.25 / 12), rel=5e-3)


# gas


@settings(max_examples=40, deadline=None)
@given(st.floats(0.15, 0.4), st.floats(1, 20), st.floats(-30, 30), st.floats(0.01, 0.5))
def test_what_boils_off_for_long_is_the_heat_that_comes_in(diameter: float, kg: float, air: float, share: float) -> None:
    v = out("vaporisation-limit", cylinder_diameter_m=diameter, liquid_kg=kg, shell_kg=kg, air_temp_c=air)
    heat = 10 * v["wetted_area_m2"] * (air - v["min_liquid_temp_c"]) * 3.6  # kJ/h through the wall
    latent = out("vapour-pressure", temp_c=(air + v["min_liquid_temp_c"]) / 2)["vaporisation_heat_kj_kg"]
    assert v["continuous_kg_h"] * latent == pytest.approx(heat, rel=1e-9)
    assert v["burst_kg_h"] >= v["continuous_kg_h"]
    ask = share * v["continuous_kg_h"]
    calm = out("vaporisation-limit", cylinder_diameter_m=diameter, liquid_kg=kg, shell_kg=kg, air_temp_c=air, demand_kg_h=ask)
    assert calm["verdict"] == "continuous"
    assert v["min_liquid_temp_c"] - 1e-9 <= calm["liquid_temp_at_demand_c"] <= air


@settings(max_examples=30, deadline=None)
@given(st.floats(0.15, 0.4), st.floats(1, 20), st.floats(-20, 20), st.floats(1.1, 6))
def test_a_burst_lasts_as_long_as_its_time_to_the_limit(diameter: float, kg: float, air: float, times: float) -> None:
    base = {"cylinder_diameter_m": diameter, "liquid_kg": kg, "shell_kg": kg, "air_temp_c": air}
    ask = times * out("vaporisation-limit", **base)["continuous_kg_h"]
    v = out("vaporisation-limit", **base, demand_kg_h=ask)
    assert v["time_to_limit_h"] > 0
    just = out("vaporisation-limit", **base, duration_h=v["time_to_limit_h"])
    assert just["burst_kg_h"] == pytest.approx(ask, rel=1e-6)


@settings(max_examples=40, deadline=None)
@given(st.lists(st.tuples(st.sampled_from(["hob_burner", "oven", "space_heater", "fridge"]), st.integers(1, 4), st.floats(0, 12)), min_size=1, max_size=6))
def test_gas_of_several_appliances_is_the_sum_of_each(many: Any) -> None:
    each = [{"kind": kind, "count": n, "time_h_day": h} for kind, n, h in many]
    whole = out("gas-consumption", appliances=each)
    alone = [out("gas-consumption", appliances=[a]) for a in each]
    assert whole["total_kg_day"] == pytest.approx(sum(a["total_kg_day"] for a in alone))
    assert whole["peak_kg_h"] == pytest.approx(sum(a["peak_kg_h"] for a in alone))
    assert whole["regulator_min_kg_h"] == pytest.approx(1.2 * whole["peak_kg_h"])


@settings(max_examples=40, deadline=None)
@given(st.floats(0.1, 3), st.lists(st.tuples(st.floats(1, 20), st.integers(1, 4)), min_size=1, max_size=5), st.floats(0, 0.5), st.floats(1, 90))
def test_refills_are_just_as_many_as_the_trip_needs(use: float, vessels: Any, reserve: float, days: float) -> None:
    listed = [{"kind": "cylinder", "name": f"v{i}", "capacity_kg": kg, "count": n} for i, (kg, n) in enumerate(vessels)]
    a = out("gas-autonomy", use_kg_day=use, vessels=listed, reserve_frac=reserve, trip_days=days)
    usable = sum(kg * n for kg, n in vessels)
    assert a["usable_kg"] == pytest.approx(usable)
    assert a["autonomy_days"] * use == pytest.approx(usable * (1 - reserve))
    n = a["refills_count"]
    assert a["after_reserve_kg"] + n * usable >= a["trip_kg"] - 1e-6
    assert n == 0 or a["after_reserve_kg"] + (n - 1) * usable < a["trip_kg"] + 1e-6


vents = st.lists(st.tuples(st.sampled_from(["low", "high"]), st.floats(20, 200), st.floats(0.3, 1)), max_size=5)


@settings(max_examples=40, deadline=None)
@given(st.floats(0.3, 1.5), st.floats(0.2, 0.8), st.sampled_from(["low", "low_high", "per_kg", "boat_drain"]), vents)
def test_one_vent_more_never_opens_a_shortage(length: float, width: float, rule: str, holes: Any) -> None:
    made = [{"position": p, "diameter_mm": d, "free_frac": f} for p, d, f in holes]
    base = {"floor_length_m": length, "floor_width_m": width, "rule_set": rule, "gas_capacity_kg": 18.0}
    before = out("locker-vent-area", **base, vents=made)
    after = out("locker-vent-area", **base, vents=[*made, {"position": "low", "diameter_mm": 120}])
    assert after["short_low_mm2"] <= before["short_low_mm2"] + 1e-9
    assert after["ok"] or not before["ok"]
    assert before["ok"] == (before["short_low_mm2"] <= 1e-9 and before["short_high_mm2"] <= 1e-9)
    assert (before["required_low_mm2"], before["required_high_mm2"]) == (after["required_low_mm2"], after["required_high_mm2"])


@settings(max_examples=40, deadline=None)
@given(st.floats(0.1, 5), st.floats(0.2, 40), st.floats(5, 60), st.floats(-10, 35))
def test_a_leak_is_the_air_that_went_and_a_longer_watch_sees_smaller_ones(volume: float, drop: float, minutes: float, temp: float) -> None:
    t = out("gas-leak-test", start_mbar=150, end_mbar=150 - drop, duration_min=minutes, volume_l=volume, start_temp_c=temp)
    moles = (drop * 100) * (volume / 1000) / (8.314462618 * (temp + 273.15))
    litres = moles * 8.314462618 * 288.15 / 101325 * 1000
    assert t["leak_std_l_h"] == pytest.approx(litres * 60 / minutes, rel=1e-3)
    longer = out("gas-leak-test", start_mbar=150, end_mbar=150, duration_min=2 * minutes, volume_l=volume, start_temp_c=temp)
    assert longer["detectable_std_l_h"] == pytest.approx(t["detectable_std_l_h"] / 2)
    assert longer["leak_std_l_h"] == 0


@pytest.mark.parametrize(("bore", "metres", "kw"), [(6, 2, 7.0), (6, 6, 4.7), (8, 2, 15.6), (8, 6, 8.5), (10, 4, 19.3), (13, 8, 26.5), (13, 10, 23.2)])
def test_the_table_of_what_a_run_carries_at_one_mbar(bore: float, metres: float, kw: float) -> None:
    drop = out("gas-pipe-drop", heat_input_w=1000 * kw, inner_diameter_mm=bore, length_m=metres)["total_mbar"]
    assert drop == pytest.approx(1.0, rel=0.06)
