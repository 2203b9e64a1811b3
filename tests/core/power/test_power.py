"""Power: what must hold for any input, and cases worked by hand."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.power.bank import string_shares
from bothy.core.power.chemistry import CHEMISTRIES, capacity_factor, charge_rate

LOADS = st.lists(
    st.fixed_dictionaries(
        {"power_w": st.floats(0, 3000), "hours_per_day": st.floats(0, 24), "supply": st.sampled_from(["dc", "converter", "ac"]), "count": st.integers(0, 5)},
        optional={"standby_w": st.floats(0, 20), "hourly_weights": st.lists(st.floats(0.01, 5), min_size=24, max_size=24)},
    ),
    min_size=1,
    max_size=6,
).map(lambda items: [{"id": f"l{i}", **x} for i, x in enumerate(items)])


def run(name: str, /, **data: Any) -> dict[str, Any]:
    return calculate(name, data).dump()


@settings(deadline=None)
@given(LOADS, st.sampled_from(["always", "with_load"]))
def test_the_day_adds_up_hour_by_hour_and_load_by_load(loads: list[dict[str, Any]], mode: str) -> None:
    out = run("load-budget", season="winter", loads=loads, inverter={"mode": mode})
    by_load = sum(x["bank_energy_wh"] for x in out["loads"])
    assert sum(out["hourly_wh"]) == pytest.approx(out["energy_wh"], rel=1e-9, abs=1e-9)
    assert by_load + out["inverter_idle_wh"] == pytest.approx(out["energy_wh"], rel=1e-9, abs=1e-9)
    assert out["energy_wh"] == max(d["energy_wh"] for d in out["days"])
    assert out["peak_power_w"] <= out["connected_power_w"] + 1e-9
    assert out["design_energy_wh"] >= out["energy_wh"]


@settings(deadline=None)
@given(LOADS)
def test_less_reaches_the_appliances_than_leaves_the_bank(loads: list[dict[str, Any]]) -> None:
    out = run("load-budget", season="summer", loads=loads)
    for x in out["loads"]:
        assert x["energy_wh"] <= x["bank_energy_wh"] + 1e-9


def test_an_hour_of_a_lamp_by_hand() -> None:
    out = run("load-budget", season="winter", distribution_loss_frac=0.02, loads=[{"id": "lamp", "power_w": 49, "hours_per_day": 1}])
    assert out["energy_wh"] == pytest.approx(50)
    assert out["charge_ah"] == pytest.approx(50 / 12.8)
    assert out["hourly_wh"] == pytest.approx([50 / 24] * 24)


def test_an_inverter_left_on_eats_its_idle_all_day() -> None:
    phone = [{"id": "phone", "power_w": 5, "hours_per_day": 2, "supply": "ac"}]
    always = run("load-budget", season="winter", loads=phone, inverter={"mode": "always", "idle_w": 15})
    switched = run("load-budget", season="winter", loads=phone, inverter={"mode": "with_load", "idle_w": 15})
    assert always["inverter_idle_wh"] == 360
    assert switched["inverter_idle_wh"] == 30
    assert "power-inverter-idle-heavy" in always["rules"]


def test_a_fridge_works_harder_in_the_heat_and_saturates() -> None:
    def hours(t: float) -> float:
        return float(
            run("load-budget", season="summer", ambient_temp_c=t, loads=[{"id": "f", "power_w": 45, "duty_frac": 0.3, "ambient_dependent": True}])["loads"][0][
                "time_h"
            ]
        )

    assert hours(25) == pytest.approx(7.2)
    assert hours(35) == pytest.approx(24 * 0.5314, rel=1e-3)
    assert hours(15) < hours(25) < hours(32)
    hot = run("load-budget", season="summer", ambient_temp_c=55, loads=[{"id": "f", "power_w": 45, "duty_frac": 0.6, "ambient_dependent": True}])
    assert hot["loads"][0]["saturated"]
    assert hot["loads"][0]["time_h"] == 24
    assert "power-load-saturated" in hot["rules"]


@given(st.floats(50, 5000), st.floats(0.5, 1), st.sampled_from([12, 24, 48]))
def test_an_inverter_conserves_energy(watts: float, efficiency: float, volts: int) -> None:
    out = run("inverter-dc-current", ac_power_w=watts, efficiency_frac=efficiency, system_voltage_v=volts)
    assert out["dc_current_a"] * volts * 11 / 12 * efficiency == pytest.approx(watts)
    assert out["design_current_a"] == pytest.approx(1.25 * out["dc_current_a"])
    for device in ("fuse_a", "breaker_a"):
        assert out[device] is None or out[device] >= out["design_current_a"] - 1e-9


def test_the_classic_ninety_amp_breaker() -> None:
    out = run("inverter-dc-current", ac_power_w=2000, existing_breaker_a=90)
    assert out["supported_peak_w"] == pytest.approx(90 * 11 * 0.88)
    assert out["rules"] == ["power-inverter-breaker-small"]
    tight = run("inverter-dc-current", ac_power_w=2000, existing_fuse_a=225)
    assert tight["rules"] == ["power-inverter-fuse-tight"]


@given(st.floats(10, 2500), st.floats(1, 7))
def test_an_inverter_is_never_smaller_than_its_load(watts: float, start: float) -> None:
    out = run("inverter-size", region="uk", loads=[{"id": "a", "power_w": watts, "start_multiple": start}])
    if out["rating_w"] is None:
        assert "power-inverter-none-fits" in out["rules"]
    else:
        assert out["rating_w"] >= 1.25 * watts - 1e-6
        assert 2 * out["rating_w"] >= start * watts - 1e-6


@given(st.integers(1, 6), st.floats(0, 0.4), st.sampled_from(["diagonal", "same_end", "busbar"]))
def test_strings_share_all_of_the_current(strings: int, ratio: float, wiring: Any) -> None:
    shares = string_shares(strings, ratio, wiring)
    assert sum(shares) == pytest.approx(1)
    assume(min(shares) > 0)
    if wiring == "same_end":
        assert shares == sorted(shares, reverse=True)
    if wiring == "diagonal":
        assert shares == pytest.approx(shares[::-1])
    if wiring == "busbar" or ratio == 0:
        assert shares == pytest.approx([1 / strings] * strings)


def test_strings_obey_kirchhoff_in_a_dense_solution() -> None:
    """Three strings, both leads on the first: the ladder solved as linear equations."""
    r, link = 1.0, 0.1
    # unknown: string currents i1..i3; the loop between neighbours: i_k·r − i_{k+1}·r = 2·link·(current passing on)
    a = np.array([[r, -r - 2 * link, -2 * link], [0, r, -r - 2 * link], [1, 1, 1]])
    wanted = np.linalg.solve(a, np.array([0, 0, 1]))
    assert string_shares(3, link / r, "same_end") == pytest.approx(list(wanted))


@given(st.integers(1, 4), st.integers(1, 4))
def test_a_bank_adds_volts_in_series_and_amp_hours_in_parallel(s: int, p: int) -> None:
    out = run("bank-configure", chemistry="lifepo4", unit_voltage_v=12.8, unit_charge_ah=100, series_count=s, parallel_count=p)
    assert out["voltage_v"] == pytest.approx(12.8 * s)
    assert out["charge_ah"] == pytest.approx(100 * p)
    assert out["energy_wh"] == pytest.approx(1280 * s * p)
    assert out["units_count"] == s * p


@settings(deadline=None)
@given(st.sampled_from(sorted(CHEMISTRIES)), st.floats(100, 5000), st.floats(0.5, 6), st.floats(-15, 30))
def test_a_colder_longer_or_hungrier_stay_never_asks_for_less(chemistry: str, daily: float, nights: float, temp: float) -> None:
    def need(d: float, n: float, t: float) -> float:
        return float(run("bank-size", chemistry=chemistry, daily_energy_wh=d, autonomy_days=n, bank_temp_c=t)["required_charge_ah"])

    base = need(daily, nights, temp)
    assert need(daily * 1.1, nights, temp) >= base
    assert need(daily, nights + 1, temp) >= base
    assert need(daily, nights, temp - 5) >= base - 1e-9


@settings(deadline=None)
@given(st.floats(200, 3000), st.floats(1, 5), st.floats(40, 200))
def test_installed_units_carry_what_was_required(daily: float, nights: float, unit: float) -> None:
    out = run("bank-size", chemistry="lifepo4", daily_energy_wh=daily, autonomy_days=nights, unit_charge_ah=unit)
    assert out["installed_charge_ah"] >= out["required_charge_ah"] - 1e-6
    assert out["usable_end_of_life_wh"] >= out["need_wh"] - 1e-6
    assert out["installed_charge_ah"] - out["required_charge_ah"] < unit


def test_run_time_by_hand_and_a_little_less_than_halved_by_twice_the_load() -> None:
    def hours(amps: float) -> float:
        out = run("bank-runtime", chemistry="lifepo4", capacity_ah=100, load_current_a=amps, bank_temp_c=25, self_discharge_per_month_frac=0)
        return float(out["time_h"])

    # 100 Ah · 0.8 · (100/(20·10))^0.02 at 10 A
    assert hours(10) == pytest.approx(8 * 0.5**0.02)
    assert hours(20) == pytest.approx(hours(10) / 2 * 0.5**0.02)


def test_lead_gives_less_at_a_high_current() -> None:
    def charge(amps: float) -> float:
        return float(run("bank-runtime", chemistry="agm", capacity_ah=100, load_current_a=amps)["usable_charge_ah"])

    assert charge(2) > charge(20) > charge(60)


def test_nothing_drawn_lasts_for_ever_or_until_it_is_empty_by_itself() -> None:
    assert run("bank-runtime", chemistry="lifepo4", capacity_ah=100, load_current_a=0, self_discharge_per_month_frac=0)["time_h"] is None
    assert run("bank-runtime", chemistry="agm", capacity_ah=100, load_current_a=0)["time_h"] > 1000


PANEL = {"power_w": 200, "vmp_v": 19.2, "imp_a": 10.42, "voc_v": 23.0, "isc_a": 11.1}


def string(**more: Any) -> dict[str, Any]:
    return run("solar-string", **{"region": "uk", "max_voltage_v": 100, "max_charge_current_a": 30, "strings": [{"panel": PANEL, "series_count": 2}], **more})


@given(st.floats(-40, 20), st.integers(1, 6))
def test_cold_and_series_raise_the_voltage(temp: float, series: int) -> None:
    out = run("solar-string", region="uk", min_temp_c=temp, max_voltage_v=150, max_charge_current_a=30, strings=[{"panel": PANEL, "series_count": series}])
    assert out["voc_cold_v"] == pytest.approx(series * 23.0 * (1 - 0.003 * (temp - 25)))
    assert out["voc_cold_v"] > out["voc_hot_v"]
    limit = out["groups"][0]["max_series_count"]
    assert (series > limit) == ("power-solar-voc-over" in out["rules"])


def test_three_strings_can_feed_a_faulty_one() -> None:
    out = string(strings=[{"panel": {**PANEL, "max_series_fuse_a": 20}, "series_count": 2, "parallel_count": 3}], max_charge_current_a=60)
    assert out["string_fuse_required"]
    assert out["groups"][0]["backfeed_a"] == pytest.approx(1.25 * 2 * 11.1)
    assert out["groups"][0]["fuse_a"] == 20
    assert "power-solar-string-fuse" in out["rules"]


def test_a_controller_clips_what_it_cannot_pass() -> None:
    small = string(max_charge_current_a=10)
    assert small["charge_current_a"] == 10
    assert 0 < small["clip_frac"] < 1
    large = string(max_charge_current_a=60)
    assert large["clip_frac"] == 0
    assert large["charge_current_a"] == large["uncapped_current_a"]


def test_unlike_groups_lose_by_mismatch() -> None:
    out = string(strings=[{"panel": PANEL, "series_count": 2}, {"panel": PANEL, "series_count": 1}])
    assert out["mismatch_frac"] > 0.1
    assert "power-solar-mismatch" in out["rules"]


@given(st.floats(50, 2000), st.floats(0.2, 7), st.floats(-10, 35))
def test_yield_is_proportional_to_panel_and_sun(power: float, sun: float, temp: float) -> None:
    one = run("solar-yield-simple", array_power_w=power, peak_sun_h=sun, ambient_temp_c=temp)
    two = run("solar-yield-simple", array_power_w=2 * power, peak_sun_h=sun / 2, ambient_temp_c=temp)
    assert one["energy_wh"] == pytest.approx(two["energy_wh"])
    assert one["energy_wh"] < power * sun * 1.2


def test_required_panel_power_yields_exactly_the_day() -> None:
    first = run("solar-yield-simple", array_power_w=400, peak_sun_h=2.5, daily_energy_wh=1500)
    again = run("solar-yield-simple", array_power_w=first["required_array_power_w"], peak_sun_h=2.5, daily_energy_wh=1500)
    assert again["covered_frac"] == pytest.approx(1)


def drive(**more: Any) -> dict[str, Any]:
    return run("dcdc-size", **{"chemistry": "lifepo4", "capacity_ah": 200, "alternator_rated_a": 150, **more})


def test_the_charger_stays_within_alternator_bank_and_cable() -> None:
    plain = drive()
    assert plain["input_current_a"] <= plain["available_running_a"] + 1e-9
    assert plain["rating_a"] <= plain["bank_limit_a"]
    thin = drive(cable_length_m=7, cable_area_mm2=4)
    assert thin["rating_a"] is None or thin["rating_a"] < plain["rating_a"]
    small = drive(alternator_rated_a=40, vehicle_load_a=35)
    assert small["status"] == "no_room"
    assert small["limited_by"] == "alternator"


@given(st.floats(60, 300), st.floats(1, 12), st.floats(6, 50))
def test_input_power_is_what_leaves_the_cable(rated: float, length: float, area: float) -> None:
    out = drive(alternator_rated_a=rated, cable_length_m=length, cable_area_mm2=area)
    if out["input_power_w"] is not None:
        assert out["input_current_a"] * out["input_voltage_v"] == pytest.approx(out["input_power_w"])
        assert out["input_voltage_v"] + out["cable_drop_v"] == pytest.approx(13.5)


def test_lithium_and_a_relay_is_always_a_danger() -> None:
    assert "power-lithium-direct-alternator" in drive(school="relay")["rules"]
    assert "power-lithium-direct-alternator" not in drive(school="relay", chemistry="agm")["rules"]
    assert "power-relay-smart-alternator" in drive(school="relay", chemistry="agm", smart_alternator=True)["rules"]


def shore(**more: Any) -> dict[str, Any]:
    return run("shore-charge-time", **{"region": "uk", "chemistry": "lifepo4", "capacity_ah": 200, "charger_current_a": 40, **more})


def test_charging_time_is_the_sum_of_its_phases_and_longer_from_emptier() -> None:
    out = shore(soc_start_frac=0.2)
    assert out["time_h"] == pytest.approx(out["warm_time_h"] + out["bulk_time_h"] + out["taper_time_h"])
    assert shore(soc_start_frac=0.1)["time_h"] > out["time_h"] > shore(soc_start_frac=0.6)["time_h"]
    assert shore(charger_current_a=60)["time_h"] < out["time_h"]


def test_frost_blocks_lithium_and_a_heater_frees_it() -> None:
    frozen = shore(bank_temp_c=-5)
    assert frozen["status"] == "blocked_cold"
    assert frozen["time_h"] is None
    assert "power-charge-below-freezing" in frozen["rules"]
    warmed = shore(bank_temp_c=-5, heater_power_w=100)
    assert warmed["status"] == "ok"
    assert warmed["warm_time_h"] > 0


def test_the_inlet_limits_and_overload_is_said() -> None:
    busy = shore(region="us", inlet_current_a=15, ac_load_w=1200)
    assert busy["available_w"] == pytest.approx(120 * 15 * 0.8 - 1200)
    over = shore(region="uk", supply_current_a=6, ac_load_w=2000)
    assert over["overload_w"] == pytest.approx(2000 - 6 * 230)
    assert "power-shore-overload" in over["rules"]
    assert over["status"] == "no_surplus"


@pytest.mark.parametrize("chemistry", sorted(CHEMISTRIES))
def test_capacity_and_charge_fall_with_the_cold(chemistry: Any) -> None:
    temps = [-20, -10, 0, 10, 25]
    factors = [capacity_factor(chemistry, t) for t in temps]
    assert factors == sorted(factors)
    assert factors[-1] == pytest.approx(1, abs=0.01)
    rates = [charge_rate(chemistry, t, 0.5) for t in temps]
    assert rates == sorted(rates)
    if CHEMISTRIES[chemistry].lithium:
        assert charge_rate(chemistry, -1, 0.5) == 0
    assert all(math.isfinite(r) for r in rates)
