"""Weather files: a made-up year comes back with the habits it was made with, from each format; files that can't be right are found out."""

from __future__ import annotations

import dataclasses
import datetime as dt
from typing import Any

import numpy as np
import pytest

from bothy.core.catalogue.climates import climates
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.sun.weather_fit import Hourly, fit
from bothy.core.trips.engine import simulate
from bothy.core.trips.places import GHI
from bothy.core.trips.plan import plan_of_design
from bothy.formats.weather_files import WeatherRead, WeatherText, read
from tests.designs import BANK, MPPT, PANELS, lived
from tests.weather import epw, table, tmy3, year

MUNICH = climates()["munich"]
WHERE: dict[str, Any] = {"lat_deg": MUNICH.lat_deg, "lon_deg": MUNICH.lon_deg, "elevation_m": MUNICH.elevation_m, "utc_offset_h": 1.0}


@pytest.fixture(scope="module")
def made() -> Hourly:
    return year()


@pytest.fixture(scope="module")
def long() -> Hourly:
    """Ten years, for the statistics."""
    return year(days=3652)


def weather_of(r: WeatherRead) -> Any:
    assert r.place is not None
    assert r.place.weather is not None
    return r.place.weather


def test_ten_made_up_years_have_the_means_and_habits_they_were_made_with(long: Hourly) -> None:
    f = fit(long)
    assert f.day_count == 3652
    assert f.ghi_kwh_m2_day == pytest.approx(MUNICH.ghi_kwh_m2_day, rel=0.08)
    assert f.tmin_c == pytest.approx(MUNICH.tmin_c, abs=1.2)
    assert f.tmax_c == pytest.approx(MUNICH.tmax_c, abs=1.2)
    assert f.kt_autocorr == pytest.approx(0.4, abs=0.05)
    assert f.temp_autocorr == pytest.approx(0.6, abs=0.06)
    assert f.spread_k == pytest.approx(3.0, abs=0.3)
    assert f.findings == []


def test_days_without_a_memory_have_none() -> None:
    f = fit(year(days=3652, alike=0.0, warm=0.0, seed=9))
    assert f.kt_autocorr < 0.05
    assert f.temp_autocorr < 0.1


@pytest.mark.parametrize("writer", [epw, tmy3], ids=["epw", "tmy3"])
def test_a_file_gives_what_the_hours_give(made: Hourly, writer: Any) -> None:
    r = read(WeatherText(text=writer(made)))
    assert r.kind == writer.__name__
    f, w = fit(made), weather_of(r)
    assert r.place is not None
    assert (r.place.lat_deg, r.place.lon_deg, r.place.elevation_m, r.place.utc_offset_h) == (
        MUNICH.lat_deg,
        MUNICH.lon_deg,
        MUNICH.elevation_m,
        MUNICH.utc_offset_h,
    )
    assert r.place.id == "file_munich"
    assert r.place.name == "Munich"
    assert w.ghi_kwh_m2_day == pytest.approx(f.ghi_kwh_m2_day, rel=2e-3)
    assert w.tmax_c == pytest.approx(f.tmax_c, abs=0.02)
    assert w.rh_frac == pytest.approx([0.7] * 12, abs=0.001)
    assert w.kt_autocorr == pytest.approx(f.kt_autocorr, abs=0.01)
    assert r.findings == []
    assert "kWh/m² a day by month" in r.summary


@pytest.mark.parametrize("end", [False, True])
def test_a_plain_table_gives_the_same_once_all_is_told(made: Hourly, end: bool) -> None:
    text = table(made, end=end)
    first = read(WeatherText(text=text))
    assert first.place is None
    assert first.columns == {"time": "time", "ghi": "GHI", "air": "temperature", "rh": "humidity"}
    assert first.asks == ["its latitude", "its longitude", "whether a time marks the start or the end of its hour"]
    r = read(WeatherText(text=text, name="Yard", marks="end" if end else "start", **WHERE))
    assert r.findings == []
    assert weather_of(r).ghi_kwh_m2_day == pytest.approx(fit(made).ghi_kwh_m2_day, rel=2e-3)
    assert r.place is not None
    assert r.place.name == "Yard"


def test_times_with_a_zone_are_turned_to_standard_time(made: Hourly) -> None:
    shifted = dataclasses.replace(made, first=made.first)
    r = read(WeatherText(text=table(shifted, zone="+01:00", separator=","), marks="start", **WHERE))
    assert r.findings == []
    assert weather_of(r).ghi_kwh_m2_day == pytest.approx(fit(made).ghi_kwh_m2_day, rel=2e-3)


def test_columns_may_be_named(made: Hourly) -> None:
    text = table(made).replace("time;GHI;temperature", "Zeit;Strahlung;Luft", 1)
    assert "the column of the time" in read(WeatherText(text=text, marks="start", **WHERE)).asks
    r = read(WeatherText(text=text, marks="start", columns={"time": "Zeit", "ghi": "Strahlung", "air": "Luft"}, **WHERE))
    assert r.asks == []
    assert weather_of(r).day_count == 365


def test_a_file_whose_zone_is_wrong_is_found_out(made: Hourly) -> None:
    r = read(WeatherText(text=table(made), marks="start", **{**WHERE, "utc_offset_h": -3.0}))
    found = {f.rule: f for f in r.findings}
    assert found["sim-file-shifted"].severity == "fault"
    assert "4 h" in found["sim-file-shifted"].message


def test_a_file_in_wrong_units_is_found_out(made: Hourly) -> None:
    f = fit(dataclasses.replace(made, ghi=made.ghi * 3.6))
    assert [x.rule for x in f.findings] == ["sim-ghi-above-clear"]
    assert "times a clear sky" in f.findings[0].message


def test_short_gaps_are_filled_and_long_ones_said(made: Hourly) -> None:
    ghi = made.ghi.copy()
    for day in range(0, 360, 12):
        ghi[24 * day + 11 : 24 * day + 13] = np.nan
    f = fit(dataclasses.replace(made, ghi=ghi))
    assert f.ghi_kwh_m2_day == pytest.approx(fit(made).ghi_kwh_m2_day, rel=0.01), "two hours are filled by their clearness"
    assert f.findings == [], "less than a hundredth is missing"
    ghi[24 * 100 : 24 * 107] = np.nan
    f = fit(dataclasses.replace(made, ghi=ghi))
    assert [(x.rule, x.severity) for x in f.findings] == [("sim-file-gaps", "advice")]
    assert "168 hours" in f.findings[0].message


def without(made: Hourly, part: float) -> str:
    ghi = made.ghi.copy()
    ghi[: int(part * ghi.size)] = np.nan
    return table(dataclasses.replace(made, ghi=ghi))


@pytest.mark.parametrize(
    ("text", "words"),
    [
        (lambda w: "", "is empty"),
        (lambda w: "hello\nworld\n", "no weather file that is known"),
        (lambda w: "LOCATION,x\n1,2\n", "begins like an EPW file"),
        (lambda w: "a\nDate (MM/DD/YYYY),Time (HH:MM)\n1,2\n", "looks like TMY3"),
        (lambda w: "\n".join(table(w).splitlines()[:2000]), "holds 84 days"),
        (lambda w: without(w, 0.2), "lacks 20% of its hours"),
        (lambda w: "\n".join([*table(w).splitlines()[:50], table(w).splitlines()[49], *table(w).splitlines()[50:]]), "twice; keep one line"),
        (lambda w: "\n".join([table(w).splitlines()[0], *reversed(table(w).splitlines()[1:])]), "goes back in time"),
        (lambda w: "time;GHI;temperature\nyesterday;1;2\n", "has “yesterday” for a time in line 2"),
        (lambda w: "time;GHI;temperature\n" + "\n".join(f"2001-01-{d:02d} 00:00;1;2" for d in range(1, 30)), "has a line every 1 days"),
    ],
    ids=["empty", "prose", "bad-epw", "bad-tmy3", "short", "gappy", "twice", "backward", "no-time", "daily"],
)
def test_what_cannot_be_a_weather_file_is_refused_in_words(made: Hourly, text: Any, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        read(WeatherText(text=text(made), marks="start", **WHERE))


def test_the_pole_is_refused(made: Hourly) -> None:
    with pytest.raises(BadInput, match="72° north to 72° south"):
        read(WeatherText(text=epw(dataclasses.replace(made, lat_deg=89.9))))


def test_ten_minute_values_are_taken_by_the_hour(made: Hourly) -> None:
    rows = table(made).splitlines()
    fine = [rows[0]]
    for row in rows[1:]:
        stamp, rest = row.split(";", 1)
        fine += [f"{stamp[:-2]}{m:02d};{rest}" for m in range(0, 60, 10)]
    r = read(WeatherText(text="\n".join(fine), marks="start", **WHERE))
    assert weather_of(r).ghi_kwh_m2_day == pytest.approx(fit(made).ghi_kwh_m2_day, rel=2e-3)


@pytest.fixture(scope="module")
def three() -> Hourly:
    """Three years with a leap day, and half a year more."""
    return year(days=365 + 366 + 365 + 180, first=dt.date(2019, 1, 1), seed=9)


def test_whole_years_of_a_file_are_kept_day_by_day(three: Hourly) -> None:
    r = read(WeatherText(text=table(three), marks="start", **WHERE))
    years = weather_of(r).years
    assert [y.year for y in years] == [2019, 2020, 2021], "the half year is not one of them"
    assert "It holds 3 whole years" in r.summary
    air = three.air_c.reshape(-1, 24)
    assert years[0].tmin_c[40] == pytest.approx(air[40].min(), abs=0.06)
    assert years[1].tmax_c[364] == pytest.approx(air[365 + 365].max(), abs=0.06), "31 December of the leap year"
    assert years[1].tmax_c[59] == pytest.approx(air[365 + 60].max(), abs=0.06), "1 March, after the leap day"
    assert weather_of(read(WeatherText(text=epw(year())))).years == [], "an EPW file is a typical year"


def test_a_replayed_day_has_the_files_sun(three: Hourly) -> None:
    """What the trip's engine makes of a day's clearness is the light that was measured."""
    made = read(WeatherText(text=table(three), marks="start", **WHERE)).place
    assert made is not None
    data = lived(None, {"bank": BANK, "arrays": [PANELS], "controller": MPPT})
    legs = [{"id": "a", "place": made.id, "days_count": 30}]
    data["trips"] = {"start_date": "2026-05-01", "legs": legs, "places": [made.model_dump(mode="json")], "schools": {"weather_source": "replay"}}
    plan = plan_of_design(Context(load_design(data)))
    r = simulate(plan)
    first = [(dt.date(y, 5, 1) - dt.date(2019, 1, 1)).days for y in (2019, 2020, 2021)]
    light = three.ghi.reshape(-1, 24).sum(axis=1) / 1000
    for m, at in enumerate(first):
        assert r.ledger[m, GHI] == pytest.approx(light[at : at + 30].sum(), rel=0.01)


def test_a_year_with_holes_is_left_out(three: Hourly) -> None:
    ghi = three.ghi.copy()
    ghi[24 * 400 : 24 * 430] = np.nan
    holed = dataclasses.replace(three, ghi=ghi)
    assert [y.year for y in weather_of(read(WeatherText(text=table(holed), marks="start", **WHERE))).years] == [2019, 2021]
