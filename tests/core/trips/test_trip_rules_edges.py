"""Rules of a run at both sides of their thresholds, on one run whose results are set by hand."""

from __future__ import annotations

from types import SimpleNamespace as Some
from typing import Any

import pytest

from bothy.core.catalogue.climates import MONTHS, climates
from bothy.core.design.warmth import Heater
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.rules import trip_findings, when
from tests.core.trips.test_trip_of_design import DRIVEN, WEEK, away
from tests.designs import INVERTER, KETTLE, LAMP, PANELS


@pytest.fixture(scope="module")
def base() -> tuple[Any, Any]:
    ctx = away()
    return ctx, run_trip(ctx)


def said(ctx: Any, run: Any, **change: Any) -> dict[str, Any]:
    """Findings by rule of the run with some results set otherwise."""
    return {f.rule: f for f in trip_findings(ctx, run.model_copy(update=change))}


def store(first: float | None, litres: float = 40.0) -> Any:
    return Some(first_d=first, capacity_l=litres)


def test_a_moment_is_counted_from_the_first_day(base: tuple[Any, Any]) -> None:
    assert when(base[1], 1.5) == "2 Jun, 12:00"


def test_gas_that_lasts_says_nothing(base: tuple[Any, Any]) -> None:
    ctx, run = base
    gas = {"capacity_kg": 6.0, "used_kg": 5.0, "first_d": None}
    assert "sim-gas-empty" not in said(ctx, run, gas=Some(short_frac=0.0, **gas))
    found = said(ctx, run, gas=Some(short_frac=0.2, **gas))["sim-gas-empty"]
    assert "20%" in found.message.replace(" ", "")
    assert "4 Jun" in said(ctx, run, gas=Some(short_frac=0.6, **{**gas, "first_d": 3.0}))["sim-gas-empty"].message


@pytest.mark.parametrize(("fuel", "speaks"), [("diesel", True), ("petrol", True), ("propane", False)])
def test_the_heaters_own_fuel_is_not_the_vessels(fuel: str, speaks: bool) -> None:
    ctx = away()
    data = ctx.design.model_copy(update={"warmth": ctx.design.warmth.model_copy(update={"heaters": [Heater.model_construct(fuel=fuel)]})})
    run = run_trip(ctx)
    gas = Some(short_frac=0.0, capacity_kg=6.0, used_kg=1.0, first_d=None)
    ctx.design = data
    out = said(ctx, run, gas=gas, warm=run.warm.model_copy(update={"fuel_first_d": 2.0, "diesel_l": 14.0}))
    assert ("sim-fuel-empty" in out) is speaks
    assert "sim-fuel-empty" not in said(ctx, run, gas=gas)


def test_a_toilet_is_a_container_and_a_grey_tank_a_tank(base: tuple[Any, Any]) -> None:
    ctx, run = base
    water = Some(stores={"toilet": store(1.0, 18.0), "grey": store(2.0), "fresh": store(None)}, toilet="cassette", missing_l=0.0)
    out = said(ctx, run, water=water)
    assert out["sim-toilet-full"].message.startswith("The cassette container (18 L) is full on 2 Jun")
    assert out["sim-grey-full"].message.startswith("The grey tank (40 L) is full on 3 Jun")
    assert "sim-water-short" not in out


def test_small_sun_counts_days_that_are_driven_or_hooked_up() -> None:
    weak = {"sun_wh_day": 10.0, "driving_wh_day": 200.0, "shore_wh_day": 0.0}
    daily = [{**DRIVEN, "id": f"d{i}", "days_count": 1} for i in range(4)]
    for legs, speaks in (([WEEK], True), (daily, False), ([{**WEEK, "shore": True}], False)):
        ctx = away(*legs)
        assert ("sim-solar-small" in said(ctx, run_trip(ctx), **weak)) is speaks


def test_tilting_is_offered_only_where_it_helps_beyond_its_error(base: tuple[Any, Any]) -> None:
    ctx, run = base
    for change, error, speaks in ((-0.05, 0.02, True), (-0.05, 0.03, False), (-0.04, 0.02, True), (0.05, 0.0, False)):
        buy = Some(what="panels on the ground", change_frac=change, error_frac=error, short_days_frac=0.1, change_wh_day=-100.0)
        assert ("sim-tilt-winter" in said(ctx, run, buys=[buy], short_days_frac=0.3)) is speaks, (change, error)


@pytest.mark.parametrize(
    ("array", "speaks"),
    [
        ({"roof_radius_m": 1.2, "across_m": 1.0}, True),
        ({"roof_radius_m": 100.0, "across_m": 0.2}, False),
        ({"roof_radius_m": None}, False),
        ({"roof_radius_m": 1.2, "across_m": 1.0, "tilt_deg": 20.0}, False),
        ({"roof_radius_m": 1.2, "across_m": 1.0, "deploy": "ground"}, False),
    ],
)
def test_a_bent_array_loses_in_series_only_where_it_lies_bent_on_the_roof(array: dict[str, Any], speaks: bool) -> None:
    ctx = away(arrays=[{**PANELS, **array}])
    out = said(ctx, run_trip(ctx))
    assert ("sim-curve-mismatch" in out) is speaks
    if speaks:
        mild = away(arrays=[{**PANELS, "roof_radius_m": 6.0, "across_m": 0.6}])
        assert {out["sim-curve-mismatch"].severity, said(mild, run_trip(mild)).get("sim-curve-mismatch", Some(severity="advice")).severity} == {
            "fault",
            "advice",
        }


def test_hot_cells_are_those_of_the_brightest_month() -> None:
    glued = {**PANELS, "mounting": "glued", "noct_c": 70.0}
    start = {"start_date": "2026-06-20", "draw_count": 2}
    leg = {**WEEK, "place": "alice_springs", "days_count": 200}
    ctx = away(leg, arrays=[glued], trips=start)
    place = climates()["alice_springs"]
    best = max(range(6, 13), key=lambda m: place.ghi_kwh_m2_day[m - 1])
    hot = said(ctx, run_trip(ctx)).get("sim-cell-hot")
    assert hot is not None and MONTHS[best - 1] in hot.message
    bare = away(WEEK, arrays=[])
    assert "sim-cell-hot" not in said(bare, run_trip(bare))


@pytest.mark.parametrize(("hours", "speaks"), [(0.0105, True), (0.0099, False)])
def test_charge_refused_in_heat_counts_from_a_hundredth_of_an_hour(base: tuple[Any, Any], hours: float, speaks: bool) -> None:
    assert ("sim-charge-refused-hot" in said(*base, refused_hot_h=hours)) is speaks


def test_the_worst_month_is_named_where_there_are_several(base: tuple[Any, Any]) -> None:
    ctx, run = base
    one, two = Some(month="2026-06", short_frac=0.1), Some(month="2026-11", short_frac=0.4)
    short = {"short_days_frac": 0.3, "missing_wh_day": 50.0}
    assert "November is the worst month" in said(ctx, run, months=[one, two], **short)["sim-lolp-high"].message
    assert "worst month" not in said(ctx, run, months=[one], **short)["sim-lolp-high"].message


def test_an_overloaded_inverter_names_what_runs_on_the_mains_and_only_that() -> None:
    ctx = away(appliances=[LAMP, KETTLE], inverter=INVERTER)
    message = said(ctx, run_trip(ctx), most_ac_w=2000.0)["sim-inverter-overload"].message
    assert "Kettle" in message and "Lamp" not in message
    assert "sim-inverter-overload" not in said(ctx, run_trip(ctx), most_ac_w=1500.0)


@pytest.mark.parametrize(("hours", "own", "speaks"), [(2.0, False, True), (0.0, False, False), (2.0, True, False)])
def test_hours_of_a_generator_that_is_not_aboard(hours: float, own: bool, speaks: bool) -> None:
    more = {"generator": {"rating_w": 1000.0}} if own else {}
    ctx = away({**WEEK, "generator_h": hours}, **more)
    assert ("sim-generator-missing" in said(ctx, run_trip(ctx))) is speaks


@pytest.mark.parametrize(("short", "error", "speaks"), [(0.0, 0.0051, True), (0.0, 0.0049, False), (0.1, 0.0201, True), (0.1, 0.0199, False)])
def test_few_weathers_are_said_against_what_is_short(base: tuple[Any, Any], short: float, error: float, speaks: bool) -> None:
    ctx, run = base
    month = Some(month="2026-06", short_frac=short)
    out = said(ctx, run, short_days_frac=short, error_frac=error, years=[], months=[month], missing_wh_day=1.0, buys=[])
    assert ("sim-draws-few" in out) is speaks
    if speaks:
        aim = "0.5" if short == 0 else "2.0"
        assert f"± {aim}" in out["sim-draws-few"].message
