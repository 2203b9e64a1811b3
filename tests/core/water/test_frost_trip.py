"""Wet parts outside the body through the trip's weathers: exact against the calculator in still air, never colder than the air, and held or drained
as is said."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.context import Context
from bothy.core.trips.engine import swings
from bothy.core.trips.frost import START_C, water_c
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.plan import plan_of_design
from bothy.core.water.heat_and_frost import WetPart, wet_parts
from bothy.core.water.part import water_part
from tests.core.water.test_water_rules import FROST, GREY, MAIN, PUMP, SINK, TANK, wet
from tests.designs import BANK, made

UNDER: dict[str, Any] = {**TANK, "place": "underfloor"}


def winter(place: str = "tromso", days: int = 6, **water: Any) -> dict[str, Any]:
    data = wet(FROST, **{"tanks": [UNDER, GREY], **water})
    data["power"] = {"bank": BANK}
    data["trips"] = {"start_date": "2027-01-10", "draw_count": 8, "legs": [{"id": "a", "place": place, "days_count": days}]}
    return data


def still(temp: float, days: int = 3) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    return np.full((1, days), temp), np.zeros((1, days)), np.zeros((days, 96))


@pytest.mark.parametrize(("litres", "loss", "air"), [(36.0, 6.0, -5.0), (0.4, 1.2, -12.0), (120.0, 9.0, -2.0)])
def test_in_still_air_it_cools_as_the_calculator_has_it(litres: float, loss: float, air: float) -> None:
    mean, swing, at = still(air, 30)
    t = water_c(mean, swing, at, litres, loss, 0.0, 0.25).reshape(-1)
    said = calculate("freeze-hold", {"volume_l": litres, "loss_w_k": loss, "outside_temp_c": air, "start_temp_c": START_C}).dump()["time_to_zero_h"]
    first = int(np.argmax(t < 0))
    assert t[first] < 0
    assert said == pytest.approx((first + 1) * 0.25, abs=0.25)


parts = st.tuples(st.floats(0.2, 200), st.floats(0.2, 20), st.floats(0, 200))


@settings(max_examples=40, deadline=None)
@given(parts, st.floats(-25, 15), st.floats(0, 14), st.integers(0, 2**31))
def test_water_stays_between_the_coldest_air_and_the_warmest_with_its_heater(part: Any, mean: float, swing: float, seed: int) -> None:
    litres, loss, heater = part
    rng = np.random.default_rng(seed)
    means, wide, at = mean + rng.normal(0, 3, (2, 4)), np.full((2, 4), swing), np.cos(np.linspace(0, 2 * np.pi, 96))[None, :].repeat(4, axis=0)
    t = water_c(means, wide, at, litres, loss, heater, 0.25)
    assert t.min() >= min(START_C, (means - wide / 2).min()) - 1e-9
    assert t.max() <= max(START_C, (means + wide / 2).max() + heater / loss) + 1e-9
    warmer = water_c(means, wide, at, litres, loss, heater + 10, 0.25)
    assert (warmer >= t - 1e-9).all()


@settings(max_examples=30, deadline=None)
@given(parts, st.floats(-25, 5))
def test_what_the_water_loses_is_what_its_wall_lets_through(part: Any, air: float) -> None:
    litres, loss, heater = part
    mean, swing, at = still(air, 2)
    t = np.concatenate([[START_C], water_c(mean, swing, at, litres, loss, heater, 0.05).reshape(-1)])
    stored = 4186 * litres / 3600 * (t[0] - t[-1])  # Wh
    aim = air + heater / loss
    tau = 4186 * litres / loss / 3600
    # the mean over each step of an exponential is known exactly
    mean_t = aim + (t[:-1] - t[1:]) * tau / 0.05
    assert stored == pytest.approx(((mean_t - air) * loss * 0.05).sum() - heater * 0.05 * (t.size - 1), rel=2e-3, abs=0.05)


def test_a_tank_under_the_floor_in_the_north_freezes_on_named_nights() -> None:
    run = run_trip(Context(made(winter())))
    (tank,) = run.frost
    assert tank.subject == "tank:fresh"
    assert len(tank.nights) >= 3
    assert tank.nights == sorted(tank.nights)
    assert all(n.startswith("2027-01-") for n in tank.nights)
    assert tank.hold_w > 0
    f = next(x for x in run.findings if x.rule == "sim-freeze")
    assert "“Fresh” in" in f.message
    assert tank.nights[0] in f.message


def test_foam_and_a_heater_hold_it_and_drained_or_with_glycol_nothing_freezes() -> None:
    held = run_trip(Context(made(winter(tanks=[{**UNDER, "foam_mm": 50.0, "heater_w": 80.0}, GREY]))))
    assert held.frost[0].nights == []
    assert not [x for x in held.findings if x.rule == "sim-freeze"]
    assert run_trip(Context(made(winter(winter="drain")))).frost == []
    assert run_trip(Context(made(winter(winter="glycol")))).frost[0].nights == []


def test_a_thin_pipe_freezes_on_more_nights_than_the_tank_beside_it() -> None:
    data = winter("inverness", 10, pump=PUMP, runs=[MAIN, {**SINK, "place": "underfloor", "inner_diameter_mm": 9.0}])
    by = {f.subject: f for f in run_trip(Context(made(data))).frost}
    assert sum(by["pipe:sink"].day_frac) >= sum(by["tank:fresh"].day_frac)
    assert by["pipe:sink"].coldest_p10_c < by["tank:fresh"].coldest_p10_c


def test_warm_places_and_parts_inside_have_no_frost() -> None:
    assert run_trip(Context(made(winter("seville", 4)))).frost[0].nights == []
    assert run_trip(Context(made(winter(tanks=[TANK, GREY])))).frost == []


def test_parts_are_half_a_tank_and_whole_pipes() -> None:
    data = winter(pump=PUMP, runs=[MAIN, {**SINK, "place": "outside"}])
    ctx = Context(made(data))
    w = water_part(ctx)
    tank, pipe = wet_parts(ctx.design.water, w.part.tanks)
    assert isinstance(tank, WetPart)
    assert tank.litres == pytest.approx(w.part.tanks["fresh"].full_l / 2)
    assert pipe.litres < 1
    assert {f.subject for f in w.part.frost} == {tank.subject, pipe.subject}


def test_the_air_swings_once_a_day_warmest_in_the_afternoon() -> None:
    at = swings(plan_of_design(Context(made(winter("london", 2)))))
    assert at.shape == (2, 96)
    assert 13.5 <= np.argmax(at[0]) / 4 <= 16.5
    assert at.max() == pytest.approx(1, abs=1e-3)
    assert at.mean() == pytest.approx(0, abs=1e-9)
