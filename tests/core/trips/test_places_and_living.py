"""Places of one's own, living at one place, panels that are tilted or stand on the ground: what the trip makes of them."""

from __future__ import annotations

import copy
from typing import Any

import numpy as np
import pytest

from bothy.core.catalogue.climates import climates
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.design.trips import LiveThere, OwnPlace
from bothy.core.finding import RULES
from bothy.core.places import apart_km, climate_of, legs_of, nearest, places_of
from bothy.core.trips.engine import weather_of
from bothy.core.trips.itinerary import day_count, days_of
from bothy.core.trips.of_design import months_of, run_trip
from bothy.core.trips.plan import driving_w, plan_of_design
from bothy.core.trips.rules import trip_findings
from bothy.demo import saltbush
from tests.designs import AGM, BANK, DCDC, FRIDGE, LAMP, MPPT, PANELS, lived

WEEK = {"id": "a", "place": "london", "days_count": 7}
FLAT_YEAR = {
    "source": "made up",
    "day_count": 365,
    "ghi_kwh_m2_day": [3.0] * 12,
    "tmin_c": [5.0] * 12,
    "tmax_c": [12.0] * 12,
    "rh_frac": [0.7] * 12,
    "kt_autocorr": 0.6,
    "temp_autocorr": 0.5,
    "spread_k": 2.0,
}


def away(*legs: dict[str, Any], trips: dict[str, Any] | None = None, vehicle: dict[str, Any] | None = None, **power: Any) -> Any:
    data = lived([LAMP, FRIDGE], {"bank": BANK, "arrays": [PANELS], "controller": MPPT, **power})
    data["vehicle"] |= vehicle or {}
    data["trips"] = {"start_date": "2026-06-01", "legs": list(legs or (WEEK,)), "draw_count": 12, **(trips or {})}
    return Context(load_design(copy.deepcopy(data)))


def own(**more: Any) -> OwnPlace:
    return OwnPlace(id="camp", name="Camp", **{"lat_deg": 57.0, "lon_deg": -4.5, **more})


# --- places ---------------------------------------------------------------------------------------------


def test_a_place_without_a_file_has_the_air_of_its_neighbour_cooler_with_height() -> None:
    near, km = nearest(57.0, -4.5)
    assert near.name == "Inverness"
    assert 40 < km < 60
    c = climate_of(own(elevation_m=near.elevation_m + 400))
    assert c.tmin_c == pytest.approx([t - 2.6 for t in near.tmin_c])
    assert c.ghi_kwh_m2_day == near.ghi_kwh_m2_day
    assert (c.lat_deg, c.lon_deg, c.utc_offset_h) == (57.0, -4.5, near.utc_offset_h)
    assert climate_of(own()).tmax_c == near.tmax_c


def test_a_place_with_a_file_has_its_own_sun_air_and_habits() -> None:
    c = climate_of(own(weather=FLAT_YEAR, elevation_m=300.0))
    assert c.ghi_kwh_m2_day == (3.0,) * 12
    assert (c.kt_autocorr, c.temp_autocorr, c.spread_k) == (0.6, 0.5, 2.0)
    assert c.quality == "made up"


def test_the_habits_of_a_file_reach_the_weathers() -> None:
    def swing(spread: float) -> float:
        ctx = away(
            {**WEEK, "place": "camp", "days_count": 60}, trips={"places": [own(weather={**FLAT_YEAR, "spread_k": spread}).model_dump()], "draw_count": 40}
        )
        return float(weather_of(plan_of_design(ctx)).mean_c.std())

    assert swing(0.0) == pytest.approx(0.0, abs=1e-9)
    assert swing(4.0) == pytest.approx(4.0, rel=0.15)

    def alike(phi: float) -> float:
        ctx = away(
            {**WEEK, "place": "camp", "days_count": 60}, trips={"places": [own(weather={**FLAT_YEAR, "kt_autocorr": phi}).model_dump()], "draw_count": 60}
        )
        k = weather_of(plan_of_design(ctx)).clear
        return float(np.corrcoef(k[:, :-1].ravel(), k[:, 1:].ravel())[0, 1])

    assert alike(0.0) == pytest.approx(0.0, abs=0.06)
    assert alike(0.8) == pytest.approx(0.77, abs=0.08)


def test_own_places_come_before_the_table_and_must_be_unique() -> None:
    ctx = away(trips={"places": [own().model_dump() | {"id": "london"}]})
    assert places_of(ctx.design)["london"].name == "Camp"
    assert len(places_of(ctx.design)) == len(climates())
    with pytest.raises(BadInput) as e:
        away(trips={"places": [own().model_dump(), own().model_dump()]})
    assert e.value.key == "id"


@pytest.mark.parametrize(
    ("change", "key"),
    [
        ({"lat_deg": 89.0}, "lat_deg"),
        ({"lon_deg": 200.0}, "lon_deg"),
        ({"id": "Camp 1"}, "id"),
        ({"name": ""}, "name"),
        ({"weather": {**FLAT_YEAR, "tmin_c": [1.0]}}, "tmin_c"),
        ({"utc_offset_h": 20.0}, "utc_offset_h"),
    ],
)
def test_a_place_that_cannot_be_is_refused_by_name(change: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        away(trips={"places": [own().model_dump() | change]})
    assert e.value.key == key


def test_a_far_neighbour_is_said_once_for_all_places() -> None:
    camps = [own(lat_deg=61.0, lon_deg=-1.0).model_dump(), own(elevation_m=900.0).model_dump() | {"id": "hut", "name": "Hut"}]
    ctx = away({**WEEK, "place": "camp"}, {**WEEK, "id": "b", "place": "hut"}, trips={"places": camps})
    found = [f for f in run_trip(ctx).findings if f.rule == "sim-climate-far"]
    assert len(found) == 1
    assert "Camp: Bergen is 350 km" in found[0].message
    assert "Hut: Inverness is" in found[0].message
    assert "m lower" in found[0].message
    near = away({**WEEK, "place": "camp"}, trips={"places": [own().model_dump()]})
    assert not [f for f in run_trip(near).findings if f.rule == "sim-climate-far"]


def test_with_files_for_all_places_nothing_is_said_of_the_table() -> None:
    ctx = away({**WEEK, "place": "camp"}, trips={"places": [own(weather=FLAT_YEAR).model_dump()]})
    assert not [f for f in run_trip(ctx).findings if f.rule == "sim-weather-approx"]
    assert [f for f in run_trip(away()).findings if f.rule == "sim-weather-approx"]


def test_the_haversine_knows_a_quarter_of_the_earth() -> None:
    assert apart_km((0, 0), (0, 90)) == pytest.approx(10007.5, abs=0.1)
    assert apart_km((51.5, -0.13), (51.5, -0.13)) == 0


# --- living at one place --------------------------------------------------------------------------------


def living(**more: Any) -> Any:
    return away(trips={"live": {"place": "edinburgh", "days_count": 30, **more}})


def test_living_there_makes_a_leg_a_day_with_its_cycles() -> None:
    legs = legs_of(living(working_days_count=5, hookup_every_d=7, drive_every_d=3, drive_h=2.0).design)
    assert len(legs) == 30
    assert [x.day_type for x in legs[:7]] == ["working"] * 5 + ["parked"] * 2
    assert [n + 1 for n, x in enumerate(legs) if x.shore] == [7, 14, 21, 28]
    assert [n + 1 for n, x in enumerate(legs) if x.drive_h > 0] == list(range(3, 31, 3))
    assert len({x.id for x in legs}) == 30


def test_living_there_takes_the_place_of_the_plan_and_keeps_it() -> None:
    ctx = living()
    assert day_count(ctx.design) == 30
    assert {d.place.name for d in days_of(ctx)} == {"Edinburgh"}
    assert [x.place for x in ctx.design.trips.legs] == ["london"]


def test_months_add_up_to_the_run() -> None:
    run = run_trip(living(days_count=70))
    assert [m.month for m in run.months] == ["2026-06", "2026-07", "2026-08"]
    assert [m.days for m in run.months] == [30, 31, 9]
    assert sum(m.short_frac * m.days for m in run.months) / 70 == pytest.approx(run.short_days_frac)
    assert sum(m.missing_wh_day * m.days for m in run.months) == pytest.approx(sum(d.missing_wh for d in run.days))
    assert min(m.least_soc_p10 for m in run.months) == min(d.least_soc_p10 for d in run.days)


def test_the_worst_week_is_seven_days_in_a_row() -> None:
    days = run_trip(living(days_count=40)).days
    spread = [d.model_copy(update={"missing_wh": 10.0 if 5 <= i < 12 else 0.0}) for i, d in enumerate(days)]
    assert [m.worst_week_wh for m in months_of(spread)] == [70.0, 0.0]
    assert months_of(spread[:3])[0].worst_week_wh == 0


@pytest.mark.parametrize(
    ("live", "key"),
    [
        ({"days_count": 400}, "days_count"),
        ({"working_days_count": 9}, "working_days_count"),
        ({"hookup_every_d": 0}, "hookup_every_d"),
        ({"drive_h": 20.0}, "drive_h"),
    ],
)
def test_a_life_that_cannot_be_is_refused(live: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        living(**live)
    assert e.value.key == key


def test_living_nowhere_is_said() -> None:
    with pytest.raises(BadInput, match="nor one of your own"):
        days_of(Context(away().design.model_copy(update={"trips": away().design.trips.model_copy(update={"live": LiveThere(place="atlantis")})})))


# --- panels ---------------------------------------------------------------------------------------------


def sun(month: str = "12", place: str = "london", heading: float | None = None, **array: Any) -> float:
    ctx = away({**WEEK, "place": place, "heading_deg": heading}, trips={"start_date": f"2026-{month}-10"}, arrays=[{**PANELS, **array}])
    r = run_trip(ctx)
    return r.sun_wh_day + r.curtailed_wh_day


def test_a_tilted_panel_that_faces_the_sun_gives_more_in_winter_and_less_when_it_faces_away() -> None:
    flat = sun()
    assert sun(heading=180.0, tilt_deg=60.0) > 1.8 * flat
    assert sun(heading=0.0, tilt_deg=60.0) < 0.7 * flat
    between = sun(tilt_deg=60.0)
    assert sun(heading=0.0, tilt_deg=60.0) < between < sun(heading=180.0, tilt_deg=60.0)


def test_a_ground_panel_faces_its_azimuth_whatever_the_heading() -> None:
    south = sun(tilt_deg=60.0, azimuth_deg=180.0, deploy="ground")
    assert south == pytest.approx(sun(heading=90.0, tilt_deg=60.0, azimuth_deg=180.0, deploy="ground"))
    assert south > 1.8 * sun()


def test_south_of_the_equator_the_sun_stands_in_the_north() -> None:
    assert sun("06", "melbourne", tilt_deg=60.0, azimuth_deg=0.0, deploy="ground") > 1.5 * sun(
        "06", "melbourne", tilt_deg=60.0, azimuth_deg=180.0, deploy="ground"
    )


def test_shade_takes_direct_light_of_its_hours() -> None:
    assert sun(shade_frac=[0.0] * 24) == pytest.approx(sun())
    noon = sun("06", shade_frac=[1.0 if 10 <= h < 15 else 0.0 for h in range(24)])
    assert 0.4 * sun("06") < noon < 0.85 * sun("06")
    night = sun("06", shade_frac=[1.0 if h < 3 else 0.0 for h in range(24)])
    assert night == pytest.approx(sun("06"))


def test_shade_of_five_hours_is_refused() -> None:
    with pytest.raises(BadInput) as e:
        away(arrays=[{**PANELS, "shade_frac": [0.1] * 5}])
    assert e.value.key == "shade_frac"


# --- driving --------------------------------------------------------------------------------------------


def test_a_relay_gives_what_the_voltages_push_and_nothing_behind_a_smart_alternator() -> None:
    relay = {"name": "Relay", "school": "relay", "rating_a": 100.0}
    plain = {"smart_alternator": False, "alternator_rated_a": 120.0}
    lead = driving_w(away(vehicle=plain, bank=AGM, driving=relay))
    assert 0 < lead <= 0.2 * 200 * 12 + 1e-6, "no more than a lead bank takes"
    assert driving_w(away(vehicle={**plain, "smart_alternator": True}, bank=AGM, driving=relay)) == 0
    assert driving_w(away(vehicle=plain, driving=DCDC)) == pytest.approx(30 * 12.8)
    assert driving_w(away()) == 0


# --- heat -----------------------------------------------------------------------------------------------


def test_cells_that_are_too_hot_to_charge_are_found_and_a_cooler_place_mends_it() -> None:
    def hot(place: str) -> set[str]:
        ctx = away({**WEEK, "place": "alice_springs", "persons": 0}, trips={"start_date": "2026-01-10", "soc_start_frac": 0.5}, vehicle={"bank_place": place})
        return {f.rule for f in run_trip(ctx).findings}

    assert "sim-charge-refused-hot" in hot("unheated_inside")
    assert "sim-charge-refused-hot" not in hot("garage")
    assert RULES["sim-charge-refused-hot"].severity == "advice"


def test_saltbush_runs_short_in_the_heat_and_says_that_its_camps_are_far() -> None:
    ctx = Context(saltbush.design())
    assert (ctx.design.region, ctx.system_v, len(days_of(ctx))) == ("au", 24, 26)
    run = run_trip(ctx)
    assert 0.1 < run.short_days_frac < 0.5
    rules = {f.rule for f in trip_findings(ctx, run)}
    assert {"sim-first-shortage", "sim-lolp-high", "sim-climate-far"} <= rules
    assert run.buys[0].short_days_frac < 0.5 * run.short_days_frac, "one more panel goes a long way"
