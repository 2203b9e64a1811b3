"""The simulator: what goes in comes out, is stored or is lost; more never serves less; the same seed gives the same trip."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import CALCULATORS, calculate
from bothy.core.contract import BadInput, parse
from bothy.core.trips import cells
from bothy.core.trips.battery import TripBank, step
from bothy.core.trips.engine import blocks, simulate
from bothy.core.trips.results import LEDGER, balance_error, standard_error
from bothy.core.trips.trip import SimulateTripIn, plan_of

CHEMISTRIES = ("lifepo4", "agm", "gel", "flooded", "nmc")


def trip(**more: Any) -> dict[str, Any]:
    """Five days of October with a fridge and lamps, changed by what is given."""
    return {
        "start_date": "2026-10-10",
        "days": [{"place": "munich", "count": 5}],
        "step_min": 30,
        "weather": "draws",
        "seed": 3,
        "draw_count": 6,
        "pv": {"arrays": [{"power_stc_w": 200}]},
        "bank": {"chemistry": "lifepo4", "capacity_ah": 100},
        "loads": [{"power_w": 12}],
        "fridge": {},
        **more,
    }


def ran(**more: Any) -> dict[str, Any]:
    return calculate("simulate-trip", trip(**more)).dump()


def bank(chemistry: str = "lifepo4", **more: Any) -> Any:
    found = parse(TripBank, {"chemistry": chemistry, "capacity_ah": 100, **more})
    assert isinstance(found, TripBank)
    return found.numbers


@settings(max_examples=200, deadline=None)
@given(st.sampled_from(CHEMISTRIES), st.floats(0, 1), st.floats(-25, 50), st.floats(-4000, 4000), st.sampled_from([1 / 12, 0.25, 1.0]))
def test_a_step_keeps_every_watt_hour(chemistry: str, soc: float, temp: float, net: float, dt: float) -> None:
    b = bank(chemistry)
    before = soc * b[cells.E_NOM]
    s = step(b, before, temp, temp, net, dt)
    assert s.terminal_w * dt == pytest.approx(s.energy_wh - before + s.self_wh + s.loss_wh, abs=1e-6)
    assert 0 <= s.energy_wh <= b[cells.E_NOM] + 1e-9
    assert s.loss_wh >= -1e-9
    assert s.terminal_w == pytest.approx(net - s.rejected_w if net >= 0 else net + s.unserved_w)
    if net < 0 and before > cells.floor_at(b, temp) * b[cells.E_NOM] + 1e-6:
        assert s.energy_wh >= cells.floor_at(b, temp) * b[cells.E_NOM] - 1e-6, "never below the floor by a load"


@pytest.mark.parametrize("chemistry", CHEMISTRIES)
def test_lithium_takes_no_charge_in_frost_and_lead_little(chemistry: str) -> None:
    taken = step(bank(chemistry), 500.0, -1.0, -1.0, 500.0, 0.25).terminal_w
    assert (taken == 0) == (chemistry in ("lifepo4", "nmc"))
    assert step(bank(chemistry), 500.0, 25.0, 25.0, 500.0, 0.25).terminal_w > taken


def test_a_nearly_full_bank_tapers() -> None:
    b = bank("agm")
    amps = [step(b, soc * b[cells.E_NOM], 25.0, 25.0, 2000.0, 0.25).current_a for soc in (0.5, 0.9, 0.97)]
    assert amps[0] > amps[1] > amps[2] > 0


def test_no_sun_by_hand() -> None:
    out = ran(
        weather="normals",
        draw_count=1,
        pv={},
        fridge=None,
        shed=[],
        loads=[{"power_w": 10}],
        bank={"chemistry": "lifepo4", "capacity_ah": 1000, "self_discharge_frac_month": 0},
    )
    assert out["load_served_wh"] == pytest.approx(10 * 120)
    amps = 10 / 12.8
    lost = out["battery_loss_wh"]
    assert lost == pytest.approx(120 * (max(1.0, (amps / 50) ** 0.02) * 10 - 10), abs=1.0)
    assert out["stored_delta_wh"] == pytest.approx(-(1200 + lost))


def test_full_sun_on_a_full_bank_is_curtailed() -> None:
    out = ran(fridge=None, loads=[], days=[{"place": "seville", "count": 2, "kt_frac": 0.75}], start_date="2026-06-20")
    assert out["pv_available_wh"] > 1500
    assert out["pv_used_wh"] == pytest.approx(out["battery_loss_wh"] + out["self_discharge_wh"] + out["stored_delta_wh"], abs=1e-6)
    assert out["curtailed_wh"] / out["pv_available_wh"] > 0.99


def test_a_run_repeats_bit_for_bit_with_any_number_of_workers_and_draws() -> None:
    plan = plan_of(parse(SimulateTripIn, trip(draw_count=40)))  # type: ignore[arg-type]
    one, again, two = simulate(plan, series=True), simulate(plan, series=True), simulate(plan, series=True, workers=2)
    assert np.array_equal(one.ledger, again.ledger)
    assert np.array_equal(one.ledger, two.ledger)
    assert np.array_equal(one.series, two.series)
    few = simulate(plan_of(parse(SimulateTripIn, trip(draw_count=5))))  # type: ignore[arg-type]
    assert np.array_equal(one.ledger[:5], few.ledger)


def test_a_run_is_cancelled_between_blocks() -> None:
    plan = plan_of(parse(SimulateTripIn, trip(draw_count=64)))  # type: ignore[arg-type]
    seen: list[tuple[int, int]] = []

    def stop(done: int, of: int) -> None:
        seen.append((done, of))
        raise KeyboardInterrupt

    for workers in (1, 2):
        with pytest.raises(KeyboardInterrupt):
            simulate(plan, between=stop, workers=workers)
    assert seen == [(8, 64), (8, 64)]
    assert list(blocks(20)) == [(0, 8), (8, 16), (16, 20)]


@st.composite
def trips(draw: st.DrawFn) -> dict[str, Any]:
    """Trips of a few days with perhaps everything on board."""
    days = [
        {
            "place": draw(st.sampled_from(["tromso", "london", "seville", "alice_springs"])),
            "count": draw(st.integers(1, 3)),
            "persons_count": draw(st.integers(0, 3)),
            "drive_h": draw(st.sampled_from([0, 3])),
            "shore": draw(st.booleans()),
            "heading_deg": draw(st.sampled_from([None, 200.0])),
            "refills": draw(st.lists(st.sampled_from(["water", "grey_dump", "toilet_dump", "gas", "diesel"]), max_size=3, unique=True)),
        }
        for _ in range(draw(st.integers(1, 3)))
    ]
    arrays = [
        {"power_stc_w": draw(st.floats(50, 500)), "tilt_deg": draw(st.sampled_from([0.0, 50.0])), "deploy": draw(st.sampled_from(["fixed", "lift", "ground"]))}
        for _ in range(draw(st.integers(0, 2)))
    ]
    loads = [
        {
            "power_w": draw(st.floats(0, 300)),
            "tier": draw(st.integers(1, 3)),
            "supply": draw(st.sampled_from(["dc", "ac"])),
            "when": draw(st.sampled_from(["always", "occupied", "driving", "parked"])),
        }
        for _ in range(draw(st.integers(0, 4)))
    ]
    return trip(
        days=days,
        start_date=draw(st.sampled_from(["2026-01-05", "2026-07-01"])),
        draw_count=3,
        pv={"arrays": arrays},
        loads=loads,
        bank={"chemistry": draw(st.sampled_from(CHEMISTRIES)), "capacity_ah": draw(st.floats(30, 400))},
        inverter={"rated_w": 1000},
        dcdc_power_w=draw(st.sampled_from([0, 300])),
        shore={"charger_power_w": 300, "limit_w": 500},
        soc_start_frac=draw(st.floats(0.2, 1)),
        heater=draw(st.sampled_from([None, {}, {"fuel": "gas"}])),
        battery_location=draw(st.sampled_from(["cabin", "outside"])),
        shed=draw(st.sampled_from([None, []])),
        tanks={"fresh_l": 40, "grey_l": 30, "toilet_l": 10, "gas_kg": 1, "diesel_l": 3},
    )


@settings(max_examples=60, deadline=None)
@given(trips())
def test_every_ledger_closes(data: dict[str, Any]) -> None:
    plan = plan_of(parse(SimulateTripIn, data))  # type: ignore[arg-type]
    r = simulate(plan)
    demand = float(r.ledger[:, LEDGER.index("load_demand_wh")].max())
    assert balance_error(r.ledger) <= 1e-6 * max(1.0, demand)
    assert np.all(r.ledger[:, [LEDGER.index(k) for k in LEDGER if k not in ("stored_delta_wh",)]] >= -1e-6)
    out = calculate("simulate-trip", data).dump()
    for d in out["draws"]:
        ends, used = d["tank_ends"], d["ledger"]
        refilled = any("water" in day["refills"] for day in data["days"])
        if not refilled:
            assert ends["fresh_l"] + used["fresh_used_l"] == pytest.approx(40)
        assert all(
            0 <= ends[k] <= most + 1e-9 for k, most in (("fresh_l", 40), ("grey_l", 30), ("toilet_l", 10), ("gas_kg", 1), ("diesel_l", 3), ("soc_frac", 1))
        )


@settings(max_examples=40, deadline=None)
@given(trips(), st.sampled_from(["bank", "sun"]))
def test_more_bank_or_more_sun_never_serves_less(data: dict[str, Any], what: str) -> None:
    """With latches off: in every draw; loads come back as soon as there is anything for them."""
    floor = 1 - {"lifepo4": 0.8, "nmc": 0.8}.get(data["bank"]["chemistry"], 0.5)
    data = {
        **data,
        "shed": [],
        "soc_start_frac": 1.0,
        "bank": {**data["bank"], "soc_floor_frac": floor, "reconnect_soc_frac": floor + 1e-9},
        "inverter": {"rated_w": 1000, "idle_w": 0},
    }
    more = (
        {**data, "bank": {**data["bank"], "capacity_ah": 1.5 * data["bank"]["capacity_ah"]}}
        if what == "bank"
        else {**data, "pv": {"arrays": [*data["pv"]["arrays"], {"power_stc_w": 200}]}}
    )
    less_r, more_r = (simulate(plan_of(parse(SimulateTripIn, x))) for x in (data, more))  # type: ignore[arg-type]
    i, demand = LEDGER.index("unserved_wh"), LEDGER.index("load_demand_wh")
    worse = (more_r.ledger[:, i] - less_r.ledger[:, i]) / np.maximum(1.0, less_r.ledger[:, demand])
    assert float(worse.mean()) <= 0.02, "but for the fridge in a cabin that a heater without power let cool"


def test_hook_up_feeds_mains_directly_up_to_its_limit() -> None:
    out = ran(
        days=[{"place": "munich", "shore": True}],
        inverter={"rated_w": 2000},
        loads=[{"power_w": 800, "supply": "ac"}],
        fridge=None,
        shore={"limit_w": 500, "charger_power_w": 200},
    )
    assert out["shore_ac_wh"] == pytest.approx(500 * 24)
    assert out["unserved_wh"] == pytest.approx(300 * 24)
    assert out["shore_dc_wh"] < 100, "nothing is left for the charger but what keeps the bank full"
    assert out["first_electricity_d"] == pytest.approx(0.5 / 24)


def test_comfort_is_shed_first_and_comes_back() -> None:
    loads = [{"power_w": 40, "tier": t} for t in (1, 2, 3)]
    out = ran(
        weather="normals",
        draw_count=1,
        pv={},
        fridge=None,
        loads=loads,
        days=[{"place": "munich", "count": 1}, {"place": "munich", "shore": True, "count": 1}],
        shore={"charger_power_w": 500},
    )
    kinds = [(e["type"], round(e["time_d"], 2)) for e in out["draws"][0]["events"]]
    assert [k for k, _ in kinds[:3]] == ["shed", "shed", "load_disconnect"]
    assert kinds[-1][1] == 1.0, "the hook-up brings them back"
    assert out["shed_wh"] > 0
    assert out["unserved_wh"] > 0


def test_the_coldest_cabin_is_that_of_a_heater_without_fuel() -> None:
    cold = {
        "days": [{"place": "tromso", "count": 3}],
        "start_date": "2026-01-10",
        "heater": {},
        "weather": "normals",
        "draw_count": 1,
        "bank": {"chemistry": "agm", "capacity_ah": 1500},
    }
    warm, dry = ran(**cold, tanks={"diesel_l": 60}), ran(**cold, tanks={"diesel_l": 1})
    assert warm["min_cabin_temp_c"] == pytest.approx(12.0, abs=0.1)
    assert dry["min_cabin_temp_c"] < 8
    assert warm["first_diesel_d"] is None
    assert 0 < dry["first_diesel_d"] < 2
    assert dry["diesel_used_l"] == pytest.approx(1.0)
    assert dry["heat_unserved_wh"] > 0


def test_what_runs_out_first_is_named() -> None:
    out = ran(tanks={"fresh_l": 30, "grey_l": 100, "toilet_l": 100})
    assert out["first_resource"] == "fresh_water"
    assert out["first_fresh_water_d"] == pytest.approx(1 + 9.5 / 24, abs=1.5 / 24), "24 L a day for two, between 7 and 22 h"
    assert out["water_unserved_l"] == pytest.approx(5 * 24 - 30)


def test_a_lifted_panel_lies_flat_on_the_road_and_a_ground_panel_stays_packed() -> None:
    day = {"place": "munich", "drive_start_h": 0, "drive_h": 24, "kt_frac": 0.6}
    base = {"fridge": None, "loads": [], "weather": "normals", "draw_count": 1}
    flat = ran(days=[day], **base)["pv_available_wh"]
    lift = ran(days=[day], pv={"arrays": [{"power_stc_w": 200, "tilt_deg": 60, "deploy": "lift"}]}, **base)["pv_available_wh"]
    assert lift == pytest.approx(flat)
    assert ran(days=[day], pv={"arrays": [{"power_stc_w": 200, "tilt_deg": 60, "deploy": "ground"}]}, **base)["pv_available_wh"] == 0


def test_the_error_of_an_estimate() -> None:
    assert standard_error(np.array([[0, 0], [1, 1]])) == pytest.approx(0.5)
    assert math.isnan(standard_error(np.array([[1, 0]])))


@pytest.mark.parametrize(
    ("change", "key"),
    [
        ({"days": [{"place": "munich", "drive_start_h": 20, "drive_h": 6}]}, "drive_h"),
        ({"days": [{"place": "munich", "count": 366}, {"place": "munich"}]}, "days"),
        ({"days": []}, "days"),
        ({"days": [{"place": "nowhere"}]}, "place"),
        ({"start_date": "10.10.2026"}, "start_date"),
        ({"loads": [{"power_w": 5, "supply": "ac"}]}, "supply"),
        ({"bank": {"chemistry": "agm", "capacity_ah": 0}}, "capacity_ah"),
        ({"bank": {"chemistry": "agm", "capacity_ah": 100, "reconnect_soc_frac": 0.4}}, "reconnect_soc_frac"),
        ({"bank": {"chemistry": "agm", "capacity_ah": 100, "soc_floor_frac": 0.97}}, "soc_floor_frac"),
        ({"bank": {"chemistry": "agm", "capacity_ah": 100, "soc_ceiling_frac": 0.5}}, "soc_ceiling_frac"),
        ({"shed": [{"tier": 3, "shed_soc_frac": 0.5, "reconnect_soc_frac": 0.5}]}, "reconnect_soc_frac"),
        ({"fridge": {"internal_temp_c": 10, "reference_temp_c": 8}}, "reference_temp_c"),
        ({"heater": {"el_min_w": 40}}, "el_max_w"),
        ({"step_min": 7}, "step_min"),
        ({"draw_count": 1001}, "draw_count"),
    ],
)
def test_what_is_wrong_with_a_trip_is_named(change: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        calculate("simulate-trip", {**trip(), **change})
    assert e.value.key == key


@pytest.mark.parametrize(
    ("change", "key"),
    [
        ({"load_power_w": [1, 2, None, None]}, "load_power_w"),
        ({"cabin_temp_c": [15, 15, 15, 15]}, "cabin_temp_c"),
        ({"cabin_temp_c": [15, 19]}, "cabin_temp_c"),
        ({"simulated_power_w": [1]}, "simulated_power_w"),
        ({"internal_temp_c": 15, "reference_temp_c": 10}, "reference_temp_c"),
    ],
)
def test_what_is_wrong_with_a_log_is_named(change: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        calculate("calibrate-loads", {**CALCULATORS["calibrate-loads"].example, **change})
    assert e.value.key == key


@settings(max_examples=60)
@given(st.lists(st.tuples(st.integers(0, 6), st.integers(0, 6), st.integers(0, 6)), max_size=30), st.randoms())
def test_the_front_is_what_nobody_beats_in_any_order(points: list[tuple[int, int, int]], random: Any) -> None:
    designs = [{"id": f"d{i}", "cost": c, "mass_kg": m, "lolp_frac": x / 10} for i, (c, m, x) in enumerate(points)]
    out = calculate("pareto-front", {"designs": designs}).dump()
    mixed = designs[:]
    random.shuffle(mixed)
    assert calculate("pareto-front", {"designs": mixed}).dump() == out

    def beats(a: dict[str, Any], b: dict[str, Any]) -> bool:
        keys = ("cost", "mass_kg", "lolp_frac")
        return all(a[k] <= b[k] for k in keys) and any(a[k] < b[k] for k in keys)

    brute = {d["id"] for d in designs if not any(beats(o, d) for o in designs)}
    assert set(out["front"]) == brute
    by_id = {d["id"]: d for d in designs}
    assert all(beats(by_id[x["dominated_by"]], by_id[x["id"]]) for x in out["dominated"])
