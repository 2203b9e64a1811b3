"""Cold and power on the trip: snow on the panels, a bank that warms itself, and panels on controllers of their own. Numbers by hand beside the engine."""

from __future__ import annotations

import copy
import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.trips import cells, places
from bothy.core.trips.battery import TripBank
from bothy.core.trips.engine import Result, Weather, arrays_of, simulate
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.plan import bank_of, plan_of_design
from bothy.core.trips.results import balance_error
from tests.designs import BANK, CHARGER, DCDC, LAMP, MPPT, PANELS, lived

LEG = {"id": "a", "place": "helsinki", "days_count": 8}
WINTER = "2026-01-10"
GROUND = {**PANELS, "id": "out", "name": "Case", "deploy": "ground", "tilt_deg": 60.0, "azimuth_deg": 180.0}


def cold(*, leg: dict[str, Any] | None = None, place: str = "underfloor", trips: dict[str, Any] | None = None, use_w: float = 12.0, **power: Any) -> Any:
    supply = {"bank": {**BANK, "parallel_count": 4, "heater_power_w": 0.0}, "arrays": [PANELS], "controller": MPPT, **power}
    data = lived([{**LAMP, "power_w": use_w}], supply, from_month=1, to_month=12)
    data["vehicle"]["bank_place"] = place
    data["trips"] = {"start_date": WINTER, "legs": [{**LEG, **(leg or {})}], "draw_count": 12, **(trips or {})}
    return Context(load_design(copy.deepcopy(data)))


def through(ctx: Any, clear: list[float], mean_c: list[float]) -> Result:
    """One weather given by hand: each day's clearness as a part of the usual, and its mean temperature, with no swing."""
    plan = plan_of_design(ctx)
    k = arrays_of(plan).items[0][:, places.D_CLEARNESS] * np.array(clear)
    w = Weather(k[None, :], 0.8 * k[None, :], np.array(mean_c)[None, :], np.zeros((1, len(clear))))
    return simulate(plan, weather=w, series=True)


def by_day(r: Result, of: int) -> list[float]:
    return [float(x) for x in r.series[0, :, of].reshape(-1, 96).sum(axis=1) / 4]


SNOW = {"snow": True}


def test_snow_falls_on_a_dull_frosty_day_and_leaves_a_tenth() -> None:
    days = {"days_count": 4}
    clear, air = [1.0, 0.5, 0.9, 0.9], [-5.0, -5.0, -5.0, -5.0]
    without, snowy = through(cold(leg=days), clear, air), through(cold(leg=days, trips=SNOW), clear, air)
    a, b = by_day(without, places.S_PV), by_day(snowy, places.S_PV)
    assert b[0] == a[0] > 0, "frost alone is not snow"
    assert b[1:] == pytest.approx([x / 10 for x in a[1:]]), "it stays until it melts"
    assert snowy.summary[0, places.SNOW_DAYS] == 3
    assert snowy.ledger[0, places.SNOW_LOST] == pytest.approx(0.9 * sum(a[1:]), rel=1e-6)
    assert without.summary[0, places.SNOW_DAYS] == 0


def test_it_goes_by_three_mild_hours_by_sliding_or_by_a_broom() -> None:
    days = {"days_count": 3}
    thaw = by_day(through(cold(leg=days, trips=SNOW), [0.5, 0.9, 0.9], [-1.0, 3.0, -1.0]), places.S_PV)
    dry = by_day(through(cold(leg=days), [0.5, 0.9, 0.9], [-1.0, 3.0, -1.0]), places.S_PV)
    assert thaw[0] == pytest.approx(dry[0] / 10)
    assert thaw[1:] == dry[1:], "melted by three in the morning, before the sun"
    steep = {**PANELS, "tilt_deg": 30.0}
    clear, air = [0.5, 0.9, 1.1, 0.9], [-5.0] * 4
    slid, bare = (by_day(through(cold(leg={"days_count": 4}, trips=t, arrays=[steep]), clear, air), places.S_PV) for t in (SNOW, {}))
    assert slid[:2] == pytest.approx([x / 10 for x in bare[:2]])
    assert slid[2:] == bare[2:], "it slides off steep panels on a clear day"
    flat = by_day(through(cold(leg={"days_count": 4}, trips=SNOW), clear, air), places.S_PV)
    assert flat[3] < 0.2 * by_day(through(cold(leg={"days_count": 4}), clear, air), places.S_PV)[3], "not off flat ones"
    swept = by_day(through(cold(leg=days, trips={**SNOW, "snow_cleared_h": 12.0}), [0.5, 0.9, 0.9], [-5.0] * 3), places.S_PV)
    free = by_day(through(cold(leg=days), [0.5, 0.9, 0.9], [-5.0] * 3), places.S_PV)
    assert 0.1 * free[0] < swept[0] < 0.9 * free[0], "from noon on"
    assert swept[1:] == free[1:]
    alone = by_day(through(cold(leg={**days, "persons": 0}, trips={**SNOW, "snow_cleared_h": 12.0}), [0.5, 0.9, 0.9], [-5.0] * 3), places.S_PV)
    assert alone[2] == pytest.approx(free[2] / 10), "nobody is there to sweep"


def test_snow_is_told_where_it_is_asked_for_and_there_is_enough() -> None:
    long = {"days_count": 20}
    snowy = run_trip(cold(leg=long, trips=SNOW))
    told = next(f for f in snowy.findings if f.rule == "sim-snow")
    assert told.severity == "note"
    assert f"{snowy.snow_wh_day * 20:.0f} Wh" in told.message
    assert snowy.snow_days > 3
    dry = run_trip(cold(leg=long))
    assert dry.snow_days == 0
    assert "sim-snow" not in {f.rule for f in dry.findings}
    assert dry.sun_wh_day > snowy.sun_wh_day
    june = run_trip(cold(leg=long, trips={**SNOW, "start_date": "2026-06-01"}))
    assert june.snow_days == 0


@pytest.mark.parametrize("hour", [24.0, -1.0])
def test_an_hour_to_sweep_lies_within_the_day(hour: float) -> None:
    with pytest.raises(BadInput) as e:
        cold(trips={"snow_cleared_h": hour})
    assert e.value.key == "snow_cleared_h"


def heated(when: str, watts: float = 60.0, **more: Any) -> dict[str, Any]:
    return {**BANK, "parallel_count": 4, "heater_power_w": watts, "heater_when": when, **more}


def test_a_bank_kept_warm_draws_what_its_skin_loses() -> None:
    """At a steady -15 C the heater makes up 1.5 W/K over 20 K: 30 W, day and night."""
    r = through(cold(leg={"days_count": 3}, bank=heated("kept_warm"), arrays=[]), [1.0] * 3, [-15.0] * 3)
    assert r.ledger[0, places.BANK_HEAT] == pytest.approx(1.5 * 20 * 72, rel=0.02), "less what its own losses give"
    assert r.ledger[0, places.BANK_HEAT] < 1.5 * 20 * 72
    boxed = through(cold(leg={"days_count": 3}, bank=heated("kept_warm", heat_loss_w_k=0.4), arrays=[]), [1.0] * 3, [-15.0] * 3)
    assert boxed.ledger[0, places.BANK_HEAT] == pytest.approx(0.4 * 20 * 72, rel=0.06)
    assert bank_of(cold(bank=heated("kept_warm", heat_loss_w_k=0.4))).thermal_ua_w_k == 0.4
    mild = through(cold(leg={"days_count": 3}, bank=heated("kept_warm"), arrays=[]), [1.0] * 3, [8.0] * 3)
    assert mild.ledger[0, places.BANK_HEAT] == 0


def test_a_bank_that_warms_for_charging_costs_little_and_takes_the_charge() -> None:
    hooked = {"days_count": 2, "shore": True}
    cold_one = cold(leg=hooked, bank=heated("on_charge", 0.0), shore=CHARGER, trips={"soc_start_frac": 0.5})
    warm_one = cold(leg=hooked, bank=heated("on_charge"), shore=CHARGER, trips={"soc_start_frac": 0.5})
    refused, taken = (through(x, [1.0] * 2, [-10.0] * 2) for x in (cold_one, warm_one))
    assert refused.ledger[0, places.BATTERY_IN] == 0, "below freezing the cut-off lets nothing in"
    assert taken.ledger[0, places.BATTERY_IN] > 5000
    assert taken.ledger[0, places.BANK_HEAT] > 0
    away = {"days_count": 2}
    parked = through(cold(leg=away, bank=heated("on_charge"), arrays=[]), [1.0] * 2, [-10.0] * 2)
    assert parked.ledger[0, places.BANK_HEAT] == 0, "nothing charges, so nothing warms"
    kept = through(cold(leg=away, bank=heated("kept_warm"), arrays=[]), [1.0] * 2, [-10.0] * 2)
    assert kept.ledger[0, places.BANK_HEAT] > 500
    assert kept.summary[0, places.END_SOC] < parked.summary[0, places.END_SOC]


def test_with_everything_off_the_heater_lives_on_the_sources_alone() -> None:
    """An empty bank in the frost: without this its cells would never get warm enough to be charged again."""
    ctx = cold(
        leg={"days_count": 3, "place": "munich"},
        bank=heated("kept_warm", 30.0),
        use_w=400.0,
        arrays=[{**PANELS, "parallel_count": 4}],
        controller={**MPPT, "max_charge_current_a": 60.0},
        trips={"soc_start_frac": 0.21},
    )
    r = through(ctx, [1.2] * 3, [-6.0] * 3)
    assert any(kind == places.E_DISCONNECT for _, kind in r.draw_events(0))
    assert r.ledger[0, places.BANK_HEAT] > 0
    assert r.ledger[0, places.BATTERY_IN] > 0
    assert balance_error(r.ledger) < 1e-6


def test_the_run_tells_what_the_heater_draws_and_what_the_cold_refuses() -> None:
    ctx = cold(leg={"days_count": 8, "place": "rovaniemi", "shore": True}, bank=heated("kept_warm"), shore=CHARGER)
    assert 200 < run_trip(ctx).bank_heater_wh_day < 1500
    weak = run_trip(
        cold(leg={"days_count": 8, "place": "rovaniemi", "shore": True}, bank=heated("on_charge", 3.0), shore=CHARGER, trips={"soc_start_frac": 0.5})
    )
    told = next(f for f in weak.findings if f.rule == "sim-charge-refused-cold")
    assert told.severity == "advice"
    assert "The bank’s own heater has to warm them first" in told.message
    bare = heated("on_charge", 3.0, cold_charge_cutoff=False)
    open_ = run_trip(cold(leg={"days_count": 8, "place": "rovaniemi", "shore": True}, bank=bare, shore=CHARGER, trips={"soc_start_frac": 0.5}))
    worst = next(f for f in open_.findings if f.rule == "sim-charge-refused-cold")
    assert worst.severity == "danger", "a heater is no cut-off"
    assert "nothing stops the charge" in worst.message


@settings(max_examples=40, deadline=None)
@given(start=st.floats(-25, 4.9), outside=st.floats(-30, 4.9), loss_w_k=st.sampled_from([0.0, 0.4, 1.5, 4.0]))
def test_warming_power_reaches_its_aim_at_the_end_of_the_step(start: float, outside: float, loss_w_k: float) -> None:
    bank = TripBank(chemistry="lifepo4", capacity_ah=100, thermal_ua_w_k=loss_w_k).numbers
    watts = cells.warming_w(bank, start, outside, 5.0, 0.25)
    assert cells.warmed(bank, start, outside, watts * 0.25, 0.25) == pytest.approx(5.0, abs=1e-6)
    steps, t, c = 20000, start, float(bank[cells.HEAT_CAPACITY])
    for _ in range(steps):  # a second way: small steps of the heat balance
        t += (watts - loss_w_k * (t - outside)) * 0.25 / steps / c
    assert t == pytest.approx(5.0, abs=0.01)


def test_panels_with_a_controller_of_their_own_are_clipped_by_it_alone() -> None:
    big = {**PANELS, "parallel_count": 4}
    small = {**MPPT, "name": "Small", "max_charge_current_a": 3.0}
    ample = {**MPPT, "max_charge_current_a": 200.0}
    june = {"trips": {"start_date": "2026-06-05"}, "leg": {"place": "seville", "days_count": 3}}
    air, clear = [20.0] * 3, [1.0] * 3

    def sun(**power: Any) -> float:
        return float(through(cold(**june, **power), clear, air).ledger[0, places.PV_AVAILABLE])

    roof, out = sun(arrays=[big], controller=ample), sun(arrays=[GROUND], controller=ample)
    assert sun(arrays=[big, GROUND], controller=ample) == pytest.approx(roof + out)
    throttled = sun(arrays=[GROUND], controller=small)
    assert throttled < 0.6 * out
    assert sun(arrays=[big, {**GROUND, "controller": small}], controller=ample) == pytest.approx(roof + throttled), "the roof keeps its own"
    assert sun(arrays=[{**GROUND, "controller": small}], controller=None) == pytest.approx(throttled), "none to share is needed"
    assert sun(arrays=[GROUND], controller=None) == 0
    shared = sun(arrays=[big, GROUND], controller=small)
    assert shared < roof + throttled
    assert run_trip(cold(**june, arrays=[big, {**GROUND, "controller": small}], controller=ample)).clipped_frac > 0.05


def all_at_once() -> Any:
    """A frosty trip with snow, a heated bank, two controllers and a generator that runs dry."""
    return cold(
        leg={"days_count": 10, "place": "rovaniemi", "generator_h": 3.0, "drive_h": 1.0, "again_h": 0.5},
        driving=DCDC,
        trips=SNOW,
        use_w=60.0,
        bank=heated("kept_warm"),
        shore=CHARGER,
        arrays=[PANELS, {**GROUND, "controller": MPPT}],
        generator={"rating_w": 1000.0, "store": 3.0},
    )


def test_everything_at_once_still_adds_up() -> None:
    """The identities, and each store by itself."""
    plan = plan_of_design(all_at_once())
    r = simulate(plan)
    assert balance_error(r.ledger) < 1e-6
    assert r.ledger[:, places.GEN_FUEL] + r.summary[:, places.END_GEN] == pytest.approx(3.0)
    assert (r.summary[:, places.GEN_H] < 30).all()
    assert math.isclose(plan.numbers[places.BANK_HEATER_W], 240.0), "four units of 60 W"
