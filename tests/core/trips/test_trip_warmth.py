"""The trip with the design's own warmth: heat and fuel balance, what insulation and air change, frost, damp, cooling."""

from __future__ import annotations

import copy
from typing import Any

import numpy as np
import pytest

from bothy.core.context import Context
from bothy.core.design.document import load_design
from bothy.core.finding import RULES
from bothy.core.trips import places as k
from bothy.core.trips.cabin import thermal_of
from bothy.core.trips.engine import simulate, weather_of
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.plan import plan_of_design
from bothy.core.trips.results import WHOLE_LEDGER, balance_error
from bothy.core.trips.run import TripRun
from tests.core.warmth.test_warmth_rules import FOAM, HEATER, PLY, WOOL
from tests.designs import BANK, CHARGER, FRIDGE, INVERTER, LAMP, lived

COLD = {"id": "a", "place": "tromso", "days_count": 6}
MILD = {"id": "a", "place": "london", "days_count": 6}
HOT = {"id": "a", "place": "alice_springs", "days_count": 6}
FUEL_LINE = {"id": "heater", "name": "Air heater", "kind": "heating", "power_w": 20.0, "hours_per_day": 10.0, "tier": 1}
BIG = {**BANK, "parallel_count": 6}


def trip(leg: dict[str, Any], start: str, *, power: dict[str, Any] | None = None, appliances: list[dict[str, Any]] | None = None, **warmth: Any) -> Any:
    """A van with a large bank on a trip, with something said of its warmth."""
    data = lived(appliances, {"bank": BIG, "shore": CHARGER, **(power or {})}, from_month=1, to_month=12)
    data["warmth"] = {"leak_per_h": 1.0, **warmth}
    data["trips"] = {"start_date": start, "legs": [leg], "draw_count": 12}
    return Context(load_design(copy.deepcopy(data)))


def ran(leg: dict[str, Any], start: str, **more: Any) -> TripRun:
    return run_trip(trip(leg, start, **more))


def rules(run: TripRun) -> set[str]:
    return {f.rule for f in run.findings}


BUILT = {
    "build_ups": [{"id": "b", "name": "B", "layers": [PLY, FOAM], "rib_spacing_mm": 500.0}],
    "surfaces": [{"id": s, "build_up": "b"} for s in ("roof", "left", "right", "rear", "front")],
}


def test_a_heater_that_is_too_small_is_told_by_its_cold_hours() -> None:
    """It gives all it can, so nothing of its heat is missing; yet it stays cold."""
    weak = ran(COLD, "2026-01-10", heaters=[{**HEATER, "min_w": 300.0, "max_w": 700.0}])
    told = next(f for f in weak.findings if f.rule == "sim-heater-short")
    assert weak.warm.cold_run_h > 24
    assert f"For {weak.warm.cold_run_h:.1f} h in a row" in told.message
    assert "the heater is too small for that cold" in told.message
    strong = ran(COLD, "2026-01-10", heaters=[{**HEATER, "max_w": 6000.0}], **BUILT)
    assert strong.warm.cold_run_h <= 2
    assert "sim-heater-short" not in rules(strong)
    dry = ran(COLD, "2026-01-10", heaters=[{**HEATER, "tank_volume_l": 1.0}])
    assert "the heater’s fuel runs out" in next(f for f in dry.findings if f.rule == "sim-heater-short").message


def test_the_cabins_heat_closes_in_every_weather() -> None:
    for ctx in (trip(COLD, "2026-01-10", heaters=[HEATER], **BUILT), trip(HOT, "2026-01-10", cooler={"name": "C", "capacity_w": 2000.0})):
        r = simulate(plan_of_design(ctx))
        x = dict(zip(WHOLE_LEDGER, r.ledger.T, strict=True))
        error = x["heat_wh"] + x["gains_wh"] - x["cool_wh"] - x["heat_out_wh"] - x["heat_stored_wh"]
        assert np.max(np.abs(error)) < 1e-6 * np.max(np.abs(x["heat_out_wh"]))
        assert balance_error(r.ledger) < 1e-6 * np.max(r.ledger[:, WHOLE_LEDGER.index("load_demand_wh")]) + 1e-4


def test_fuel_is_the_heat_over_its_efficiency_and_heating_value() -> None:
    w = ran(COLD, "2026-01-10", heaters=[{**HEATER, "efficiency_frac": 0.8}]).warm
    assert w.diesel_l == pytest.approx(w.heat_kwh / 0.8 / 9.996, rel=1e-6)
    gas = ran(COLD, "2026-01-10", heaters=[{**HEATER, "fuel": "propane", "efficiency_frac": 0.9}]).warm
    assert gas.gas_kg == pytest.approx(gas.heat_kwh / 0.9 / 12.87, rel=1e-6)
    petrol = ran(COLD, "2026-01-10", heaters=[{**HEATER, "fuel": "petrol", "efficiency_frac": 0.8}]).warm
    assert petrol.diesel_l == pytest.approx(petrol.heat_kwh / 0.8 / (12 * 0.745), rel=1e-6)


def test_insulation_and_a_curtain_save_fuel_in_every_weather() -> None:
    weather = None
    used = []
    for warmth in ({"cab": "open"}, {"cab": "curtain"}, {"cab": "curtain", "leak_per_h": 0.5}):
        plan = plan_of_design(trip(COLD, "2026-01-10", heaters=[HEATER], **warmth))
        weather = weather or weather_of(plan)
        used.append(simulate(plan, weather=weather).ledger[:, k.DIESEL_USED])
    assert (used[1] < used[0]).all()
    assert (used[2] < used[1]).all()


def test_the_heaters_line_in_life_is_counted_once() -> None:
    loads = [LAMP, FRIDGE, FUEL_LINE]
    apart = trip(COLD, "2026-01-10", appliances=loads, heaters=[{**HEATER, "run_min_w": 0.0, "run_max_w": 0.0}])
    tied = trip(COLD, "2026-01-10", appliances=loads, heaters=[{**HEATER, "run_min_w": 0.0, "run_max_w": 0.0, "appliance": "heater"}])
    assert thermal_of(tied).stands_for == {"heater"}
    less = plan_of_design(apart).dc.sum() - plan_of_design(tied).dc.sum()
    assert less == pytest.approx(6 * 20 * 10 * 1.02 * 4, rel=0.01), "six days of 20 W for ten hours, in quarter hours"
    assert run_trip(tied).warm.heater_wh_day == 0


def test_a_heater_that_cycles_pays_for_its_starts() -> None:
    smooth, cycling = (ran(MILD, "2026-05-10", heaters=[{**HEATER, "min_w": m, "start_energy_wh": 6.0}]).warm for m in (0.0, 3500.0))
    assert cycling.heater_wh_day > smooth.heater_wh_day + 20
    assert cycling.heat_kwh == pytest.approx(smooth.heat_kwh, rel=1e-9)


def test_an_element_heats_only_on_a_hook_up() -> None:
    element = {**HEATER, "kind": "electric", "fuel": "electric", "efficiency_frac": 1.0, "max_w": 2000.0, "run_min_w": 0.0, "run_max_w": 0.0}
    away, hooked = (ran({**COLD, "shore": s}, "2026-01-10", heaters=[element]) for s in (False, True))
    assert away.warm.heat_kwh == 0
    assert "sim-heater-short" in rules(away)
    assert hooked.warm.heat_kwh > 20
    assert hooked.warm.heater_wh_day * 6 / 1000 == pytest.approx(hooked.warm.heat_kwh, rel=0.15), "but for what the inlet does not give"


def test_a_cooler_keeps_its_hours_and_its_place_on_the_bank() -> None:
    cooler = {"name": "C", "capacity_w": 4000.0, "eer": 2.5, "set_c": 25.0}
    none, all_day, noon, hook_up = (
        ran({**HOT, "days_count": 1}, "2026-01-10", **({"cooler": {**cooler, **c}} if c is not None else {})).warm
        for c in (None, {}, {"from_h": 12.0, "to_h": 16.0}, {"hookup_only": True})
    )
    assert none.cooler_wh_day == hook_up.cooler_wh_day == 0
    assert all_day.cooler_wh_day > noon.cooler_wh_day > 500
    assert all_day.hottest_p90_c < none.hottest_p90_c - 3
    assert all_day.hot_h < none.hot_h


def test_a_cooler_on_the_mains_needs_an_inverter() -> None:
    cooler = {"name": "C", "capacity_w": 3000.0, "supply": "inverter"}
    assert ran(HOT, "2026-01-10", cooler=cooler).warm.cooler_wh_day == 0
    assert ran(HOT, "2026-01-10", cooler=cooler, power={"inverter": {**INVERTER, "rating_w": 3000.0, "surge_power_w": 6000.0}}).warm.cooler_wh_day > 500


def test_more_air_is_drier_air() -> None:
    tight, airy = (ran(MILD, "2026-11-10", heaters=[HEATER], leak_per_h=n, cab="curtain") for n in (0.3, 3.0))
    assert airy.warm.damp_h < tight.warm.damp_h
    assert airy.warm.condensed_kg < tight.warm.condensed_kg
    assert max(airy.rh.p50) < max(tight.rh.p50)


BAY = {"id": "b", "name": "Tank bay", "ua_to_living_w_k": 1.0, "ua_to_outside_w_k": 8.0}
CASES: dict[str, tuple[Any, Any]] = {
    "sim-freeze": (
        (COLD, "2026-01-10", {"heaters": [HEATER], "bays": [BAY]}),
        (COLD, "2026-01-10", {"heaters": [HEATER], "bays": [{**BAY, "ua_to_living_w_k": 60.0}]}),
    ),
    "sim-fuel-empty": (
        (COLD, "2026-01-10", {"heaters": [{**HEATER, "tank_volume_l": 6.0}]}),
        (COLD, "2026-01-10", {"heaters": [{**HEATER, "tank_volume_l": 200.0}]}),
    ),
    "sim-gas-empty": (
        (COLD, "2026-01-10", {"heaters": [{**HEATER, "fuel": "propane", "tank_mass_kg": 6.0}]}),
        (COLD, "2026-01-10", {"heaters": [{**HEATER, "fuel": "propane", "tank_mass_kg": 90.0}]}),
    ),
    "sim-too-hot": ((HOT, "2026-01-10", {"colour": "dark"}), (HOT, "2026-06-10", {})),
    "sim-damp": (
        (MILD, "2026-11-10", {"leak_per_h": 0.2, "damp": {"wet_clothes_kg_per_day": 3.0}, "heaters": [HEATER]}),
        (MILD, "2026-06-10", {"leak_per_h": 4.0}),
    ),
}


@pytest.mark.parametrize("rule", sorted(CASES))
def test_a_rule_of_the_warm_trip_is_raised_where_it_holds_and_not_beside_it(rule: str) -> None:
    (leg, start, bad), (other, then, good) = CASES[rule]
    run = ran(leg, start, **bad)
    assert rule in rules(run)
    f = next(f for f in run.findings if f.rule == rule)
    assert f.severity == RULES[rule].severity
    assert any(c.isdigit() for c in f.message)
    assert rule not in rules(ran(other, then, **good))


def test_a_refill_stop_puts_the_fuel_off() -> None:
    legs = [{**COLD, "days_count": 3}, {**COLD, "id": "b", "days_count": 3, "refills": ["diesel"]}]

    def first(refill: bool) -> float | None:
        ctx = trip(COLD, "2026-01-10", heaters=[{**HEATER, "tank_volume_l": 22.0}])
        data = ctx.design.model_dump(mode="json")
        data["trips"]["legs"] = [legs[0], {**legs[1], **({} if refill else {"refills": []})}]
        return run_trip(Context(load_design(data))).warm.fuel_first_d

    without, filled = first(False), first(True)
    assert without is not None
    assert filled is None or filled > without


def test_the_walls_of_wool_and_foam_run_alike_where_they_insulate_alike() -> None:
    """The trip reckons with U-values, whatever they are made of."""
    wool = {"build_ups": [{"id": "b", "name": "B", "layers": [PLY, WOOL]}], "surfaces": [{"id": "left", "build_up": "b"}]}
    u = thermal_of(trip(COLD, "2026-01-10", **wool)).numbers[k.UA]
    typed = trip(COLD, "2026-01-10", surfaces=[{"id": "left", "u_value_w_m2k": 0.6594}])
    assert thermal_of(typed).numbers[k.UA] == pytest.approx(u, rel=1e-3)
