"""Modelling choices on the trip: years of a file as they were, spells, which source goes first, how deep, shedding, dirt, the ground, the clock."""

from __future__ import annotations

import copy
import datetime as dt
from typing import Any

import numpy as np
import pytest

from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.sizing.search import search
from bothy.core.trips import places
from bothy.core.trips.battery import TripBank
from bothy.core.trips.engine import simulate, weather_of
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.plan import bank_of, plan_of_design
from bothy.core.trips.replay import day_of
from bothy.demo.parts import windows
from tests.designs import AGM, BANK, CHARGER, DCDC, LAMP, MPPT, PANELS, lived

HUNGRY = {**LAMP, "power_w": 25.0, "hours_per_day": 24.0}


def year(number: int, clear: float, mean_c: float) -> dict[str, Any]:
    """A year of a file: the day of the year shows in the temperatures, so that a test sees which day was taken."""
    return {
        "year": number,
        "clearness": [clear] * 365,
        "tmin_c": [mean_c - 5 + n / 1000 for n in range(365)],
        "tmax_c": [mean_c + 5 + n / 1000 for n in range(365)],
    }


def place(*years: dict[str, Any]) -> dict[str, Any]:
    twelve = {"ghi_kwh_m2_day": [2.0] * 12, "tmin_c": [5.0] * 12, "tmax_c": [15.0] * 12, "rh_frac": [0.8] * 12}
    weather = {"source": "CSV", "day_count": 1095, "kt_autocorr": 0.3, "temp_autocorr": 0.7, "spread_k": 3.0, "years": list(years), **twelve}
    return {"id": "file_hut", "name": "Hut", "lat_deg": 55.0, "lon_deg": -4.0, "elevation_m": 100.0, "weather": weather}


HUT = place(year(2020, 0.15, 0.0), year(2021, 0.30, 5.0), year(2022, 0.60, 10.0))


def trip(
    *,
    legs: list[dict[str, Any]] | None = None,
    start: str = "2026-03-01",
    own: list[dict[str, Any]] | None = None,
    schools: dict[str, Any] | None = None,
    trips: dict[str, Any] | None = None,
    **power: Any,
) -> Any:
    data = lived([HUNGRY], {"bank": BANK, "arrays": [PANELS], "controller": MPPT, **power}, from_month=1, to_month=12)
    data["trips"] = {
        "start_date": start,
        "legs": legs or [{"id": "a", "place": "file_hut", "days_count": 5}],
        "draw_count": 20,
        "places": own if own is not None else [HUT],
        "schools": schools or {},
        **(trips or {}),
    }
    return Context(load_design(copy.deepcopy(data)))


REPLAY = {"weather_source": "replay"}


def test_each_year_of_the_file_is_one_run_as_it_was() -> None:
    plan = plan_of_design(trip(schools=REPLAY))
    w = weather_of(plan)
    assert w.clear.shape == (3, 5)
    assert w.clear[:, 0].tolist() == [0.15, 0.30, 0.60]
    n = day_of(dt.date(2026, 3, 1))
    assert n == 59
    assert w.mean_c[:, 2] == pytest.approx([0.0 + (n + 2) / 1000, 5.0 + (n + 2) / 1000, 10.0 + (n + 2) / 1000])
    assert w.swing_c[0].tolist() == pytest.approx([10.0] * 5)
    run = run_trip(trip(schools=REPLAY))
    assert [y.year for y in run.years] == [2020, 2021, 2022]
    assert run.draw_count == 3
    assert run.years[0].least_soc < run.years[2].least_soc
    assert "3 years of the files, 2020 to 2022" in run.assumed[0]
    assert "sim-draws-few" not in {f.rule for f in run.findings}, "there are no more years than there are"
    assert run == run_trip(trip(schools=REPLAY)), "nothing is drawn"


def test_the_turn_of_a_year_goes_on_in_the_files_next_one() -> None:
    w = weather_of(plan_of_design(trip(start="2026-12-30", schools=REPLAY)))
    assert w.clear[0].tolist() == [0.15, 0.15, 0.30, 0.30, 0.30]
    assert w.clear[2].tolist() == [0.60] * 5, "after its last year the same one again"


@pytest.mark.parametrize(
    ("date", "n"), [("2026-01-01", 0), ("2026-12-31", 364), ("2028-02-28", 58), ("2028-02-29", 58), ("2028-03-01", 59), ("2028-12-31", 364)]
)
def test_a_leap_day_is_the_day_before_it(date: str, n: int) -> None:
    assert day_of(dt.date.fromisoformat(date)) == n


def test_the_newest_years_are_taken_and_other_days_keep_what_is_known_of_them() -> None:
    two = weather_of(plan_of_design(trip(schools=REPLAY, trips={"draw_count": 2})))
    assert two.clear[:, 0].tolist() == [0.30, 0.60]
    said = weather_of(plan_of_design(trip(schools=REPLAY, legs=[{"id": "a", "place": "file_hut", "days_count": 2, "clearness": 0.5}])))
    assert said.clear.tolist() == [[0.5, 0.5]] * 3


def test_without_years_everywhere_the_weather_is_drawn_and_that_is_said() -> None:
    legs = [{"id": "a", "place": "file_hut", "days_count": 2}, {"id": "b", "place": "london", "days_count": 2}]
    run = run_trip(trip(legs=legs, schools=REPLAY))
    assert run.years == []
    assert run.draw_count == 20
    assert "no file with whole years is there for London" in run.assumed[0]
    apart = {**place(year(2010, 0.3, 5.0), year(2011, 0.3, 5.0)), "id": "file_two", "name": "Two"}
    never = run_trip(trip(legs=[legs[0], {**legs[1], "place": "file_two"}], own=[HUT, apart], schools=REPLAY))
    assert "the same years everywhere" in never.assumed[0]


def test_a_year_has_all_its_days() -> None:
    short = {**year(2020, 0.3, 5.0), "clearness": [0.3] * 364}
    with pytest.raises(BadInput) as e:
        trip(own=[place(short)])
    assert e.value.key == "clearness"


def test_the_search_runs_the_years_too() -> None:
    ctx = trip(schools=REPLAY, trips={"places": [HUT]})
    data = ctx.design.model_dump(mode="json")
    data["sizing"] = {"panels_most": 1, "makers": ["Corrie Glass", "Skarnfold"]}
    assert search(load_design(data)).draw_count == 3


def alike(schools: dict[str, Any]) -> float:
    """How alike neighbouring days are in clearness, by the drawn weathers."""
    w = weather_of(plan_of_design(trip(legs=[{"id": "a", "place": "edinburgh", "days_count": 28}], trips={"draw_count": 200}, schools=schools)))
    return float(np.mean([np.corrcoef(row[:-1], row[1:])[0, 1] for row in w.clear]))


def test_spells_last_longer_where_days_are_more_alike() -> None:
    assert alike({"kt_autocorr": 0.0}) < 0.05
    assert 0.15 < alike({}) < 0.32
    assert alike({"kt_autocorr": 0.6}) > 0.42


def ledger(ctx: Any) -> Any:
    r = simulate(plan_of_design(ctx))
    return r.ledger.mean(axis=0)


LONDON = [{"id": "a", "place": "london", "days_count": 4}]


def test_the_first_source_only_says_whose_energy_it_is() -> None:
    base = {"legs": [{**LONDON[0], "shore": True}], "shore": CHARGER, "start": "2026-06-01", "trips": {"soc_start_frac": 0.5}}
    sun, hooked = ledger(trip(**base)), ledger(trip(**base, schools={"source_order": "hookup_first"}))
    assert hooked[places.SHORE_DC] > sun[places.SHORE_DC]
    assert hooked[places.PV_USED] < sun[places.PV_USED]
    assert hooked[places.SERVED] == pytest.approx(sun[places.SERVED])
    assert hooked[places.STORED] == pytest.approx(sun[places.STORED])


def test_the_dcdc_charger_may_be_left_for_emergencies() -> None:
    base = {"legs": [{**LONDON[0], "drive_h": 4.0}], "driving": DCDC, "trips": {"soc_start_frac": 0.9}}
    always, never = ledger(trip(**base)), ledger(trip(**base, schools={"dcdc_below_frac": 0.5}))
    assert always[places.DCDC_USED] > 0
    assert never[places.DCDC_USED] == 0, "at 90 % nobody needs it"
    low = ledger(trip(**{**base, "trips": {"soc_start_frac": 0.45}}, schools={"dcdc_below_frac": 0.5}))
    assert low[places.DCDC_USED] > 0


def test_shedding_is_a_school() -> None:
    base = {"legs": LONDON, "arrays": [], "start": "2026-12-01", "trips": {"soc_start_frac": 0.45}}
    tiers, none = ledger(trip(**base)), ledger(trip(**base, schools={"shed": "none"}))
    assert tiers[places.SHED] > 0
    assert none[places.SHED] == 0
    assert none[places.UNSERVED] > 0


def test_depth_full_charge_and_lead_by_its_label_reach_the_bank() -> None:
    deep = bank_of(trip(bank={**BANK, "usable_frac": 0.95, "charge_to_frac": 0.9}))
    assert deep.floor == pytest.approx(0.05)
    assert deep.soc_ceiling_frac == 0.9
    label = bank_of(trip(bank={**AGM, "peukert_exponent": 1.0}))
    assert label.peukert_exponent == 1.0
    assert TripBank.trusted(chemistry="agm", capacity_ah=200).peukert_exponent is None
    june = {"legs": LONDON, "start": "2026-06-01"}
    assert max(run_trip(trip(**june, bank={**BANK, "charge_to_frac": 0.8}, trips={"soc_start_frac": 0.6})).soc.p90) <= 0.8 + 1e-6
    run = run_trip(trip(**june, bank={**BANK, "usable_frac": 0.95}))
    assert run.floor_frac == pytest.approx(0.05)
    assert run.autonomy_d == pytest.approx(0.95 * 200 * 12.8 / run.load_wh_day, rel=1e-6)


def test_dirt_sky_and_ground_change_the_light() -> None:
    june = {"legs": LONDON, "start": "2026-06-01"}
    clean, dusty, street = (
        float(ledger(trip(**june, arrays=[{**PANELS, **x}]))[places.PV_AVAILABLE]) for x in ({}, {"soiling_frac": 0.8}, {"sky_view_frac": 0.5})
    )
    assert dusty == pytest.approx(0.8 / 0.97 * clean, rel=0.03)
    assert 0.5 * clean < street < 0.9 * clean
    steep = {"arrays": [{**PANELS, "tilt_deg": 60.0, "deploy": "ground"}]}
    grass, snow = (float(ledger(trip(**june, **steep, schools=s))[places.PV_AVAILABLE]) for s in ({}, {"albedo_frac": 0.8}))
    assert snow > 1.1 * grass


def test_summer_time_sets_everything_an_hour_earlier_by_the_sun() -> None:
    evening = {**HUNGRY, "hours_per_day": 2.0, "windows": windows((20, 22))}
    data = lived([evening], {"bank": BANK, "arrays": [PANELS], "controller": MPPT, "driving": DCDC})
    data["trips"] = {
        "start_date": "2026-06-01",
        "draw_count": 2,
        "legs": [{**LONDON[0], "drive_h": 2.0, "drive_start_h": 9.0, "refills": ["water"], "refill_h": 12.0}],
    }
    standard = plan_of_design(Context(load_design(copy.deepcopy(data))))
    data["trips"]["schools"] = {"summer_time": True}
    summer = plan_of_design(Context(load_design(data)))
    lit = [np.flatnonzero(p.dc[0].sum(axis=1) > 1)[[0, -1]].tolist() for p in (standard, summer)]
    assert lit == [[80, 87], [76, 83]]
    assert [p.days[0].drive_start_h for p in (standard, summer)] == [9.0, 8.0]
    assert [p.days[0].refill_h for p in (standard, summer)] == [12.0, 11.0]
    assert summer.dc.sum() == pytest.approx(standard.dc.sum())


@pytest.mark.parametrize(
    ("schools", "key"),
    [
        ({"kt_autocorr": 1.0}, "kt_autocorr"),
        ({"albedo_frac": 2.0}, "albedo_frac"),
        ({"weather_source": "guess"}, "weather_source"),
        ({"dcdc_below_frac": 0.0}, "dcdc_below_frac"),
    ],
)
def test_schools_that_cannot_be_are_refused_by_name(schools: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        trip(schools=schools)
    assert e.value.key == key
