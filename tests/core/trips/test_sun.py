"""The sun in closed form against the library's, and the generator of weathers against its targets."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pandas as pd
import pvlib
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.catalogue.climates import climates
from bothy.core.contract import BadInput
from bothy.core.sun.clearness import distribution, light_of, month_clearness, of_place
from bothy.core.sun.draws import chain, luck, spread_k
from bothy.core.sun.geometry import MEAN_DAY, extraterrestrial_day, midpoints, season_of, sun_at
from bothy.core.sun.plane import Module, cell_temp, incidence, onto, power, through_glass

PLACES = sorted(climates())


@pytest.mark.parametrize(("lat", "lon"), [(56.0, -3.2), (0.0, 37.0), (-43.5, 172.6), (69.6, 19.0)])
def test_the_closed_form_stays_within_half_a_degree_of_the_exact_sun(lat: float, lon: float) -> None:
    days = pd.date_range("2026-01-01", "2026-12-31", freq="5D", tz="UTC")
    for shift in (-4, 0, 4):
        times = days + pd.Timedelta(hours=12 - lon / 15 + shift)
        exact = pvlib.solarposition.get_solarposition(times, lat, lon, method="nrel_numpy")["elevation"]
        for day, up in zip(days, exact, strict=True):
            s = season_of(day.day_of_year)
            mine = math.degrees(math.asin(float(sun_at(lat, s.dec, np.array([12 + shift + s.eot_min / 60])).cos_z[0])))
            assert mine == pytest.approx(up, abs=0.5)


@pytest.mark.parametrize("lat", [-60.0, -20.0, 0.0, 35.0, 55.0, 75.0])
def test_the_daily_sum_outside_the_air_is_the_integral_of_the_sun(lat: float) -> None:
    for day in MEAN_DAY:
        s = season_of(day)
        up = np.maximum(0.0, sun_at(lat, s.dec, midpoints(1)).cos_z)
        assert extraterrestrial_day(lat, day) == pytest.approx(float(up.sum()) / 60 * 1.361 * s.e0, abs=0.002)


@pytest.mark.parametrize("place", PLACES[::7])
def test_the_days_of_a_month_have_its_mean_and_keep_its_ends(place: str) -> None:
    for month in range(1, 13):
        d = of_place(climates()[place], month)
        k = d.quantile((np.arange(20000) + 0.5) / 20000)
        assert float(k.mean()) == pytest.approx(d.mean, abs=1e-4)
        assert d.least <= float(k.min())
        assert float(k.max()) <= d.most
        assert np.all(np.diff(k) >= 0)


def test_every_place_of_the_table_has_light_that_the_air_allows() -> None:
    for c in climates().values():
        for month, ghi in enumerate(c.ghi_kwh_m2_day, 1):
            h0 = extraterrestrial_day(c.lat_deg, MEAN_DAY[month - 1])
            if h0 >= 0.3:
                assert 0.20 <= ghi / h0 <= 0.75, (c.place, month)


@settings(max_examples=80)
@given(st.floats(-65, 65), st.integers(1, 365), st.floats(0.05, 0.75))
def test_a_days_light_adds_up_to_its_clearness(lat: float, day: int, k: float) -> None:
    h = midpoints(15)
    s = season_of(day)
    sun = sun_at(lat, s.dec, h)
    light = light_of(np.array([k]), lat, day, sun.w, sun.cos_z)
    outside = float(np.sum(np.maximum(0, sun.cos_z)) * light.outside)
    assert float(light.ghi.sum()) == pytest.approx(k * outside, rel=1e-9, abs=1e-6)
    beam = light.ghi - light.dhi
    assert np.allclose(beam, light.dni * np.maximum(0, sun.cos_z), atol=1e-9)


@settings(max_examples=60)
@given(st.floats(0, 90), st.floats(0, 360), st.floats(2, 88), st.floats(0, 360), st.floats(0, 1000), st.floats(0, 500))
def test_light_on_a_plane_is_the_librarys(tilt: float, facing: float, height: float, azimuth: float, dni: float, dhi: float) -> None:
    cos_z, az = np.array([math.sin(math.radians(height))]), np.array([math.radians(azimuth)])
    ghi = np.array([dni * cos_z[0] + dhi])
    for model, name in (("hay_davies", "haydavies"), ("isotropic", "isotropic")):
        mine = onto(ghi, np.array([dhi]), np.array([dni]), 1361.0, cos_z, incidence(cos_z, az, tilt, facing), tilt, 0.2, model).poa[0]  # type: ignore[arg-type]
        theirs = pvlib.irradiance.get_total_irradiance(tilt, facing, 90 - height, azimuth, dni, ghi[0], dhi, dni_extra=1361.0, albedo=0.2, model=name)
        assert mine == pytest.approx(float(theirs["poa_global"]), abs=0.01)


GLASS = Module(100.0, "open_rack", -0.004, 45.0, 0.0, 0.0, 1.0, 1.0, 1.0, 1.0)


def test_a_panel_gives_its_label_under_the_labels_light() -> None:
    light = np.array([1000.0, 0.5, 500.0])
    assert power(light, np.array([25.0, 25.0, 25.0]), GLASS).tolist() == [100.0, 0.0, 50.0]
    hot = cell_temp(np.array([800.0]), np.array([20.0]), GLASS)
    assert hot[0] == pytest.approx(45.0), "the definition of its nominal temperature"
    assert power(np.array([1000.0]), np.array([50.0]), GLASS)[0] == pytest.approx(90.0)


def test_shade_takes_the_beam_and_leaves_the_sky() -> None:
    cos_z = np.array([1.0])
    plane = onto(np.array([900.0]), np.array([100.0]), np.array([800.0]), 1361.0, cos_z, cos_z, 0.0, 0.2, "isotropic")
    assert through_glass(plane, GLASS, 1.0)[0] == pytest.approx(100.0)
    assert through_glass(plane, GLASS, 0.0)[0] == pytest.approx(900.0)


def test_luck_is_the_same_everywhere_and_each_draw_has_its_own() -> None:
    first = luck(7, 3, 30)
    assert np.array_equal(first, luck(7, 3, 60)[:30]), "a longer trip begins with the same days"
    assert not np.array_equal(first, luck(7, 4, 30))
    assert luck(1, 0, 1).tolist() == [[pytest.approx(0.5, abs=3.5), pytest.approx(0.0, abs=3.5)]]


def test_the_generator_meets_its_targets() -> None:
    out = [calculate("weather-draw", {"place": "inverness", "month": 11, "days": 3660, "seed": s}).dump() for s in range(4)]
    k = np.array([o["kt_frac"] for o in out])
    assert float(k.mean()) == pytest.approx(out[0]["kt_mean_frac"], rel=0.02)
    e = np.stack([luck(s, 0, 3660) for s in range(4)])
    z = chain(e[:, :, 0], 0.29)
    assert float(z.std()) == pytest.approx(1.0, rel=0.03)
    assert float(np.mean(z[:, 1:] * z[:, :-1])) == pytest.approx(0.29, abs=0.03)
    t = np.array([o["tmean_c"] for o in out])
    assert float(t.std()) == pytest.approx(spread_k(57.5), rel=0.06)
    centred = t - t.mean(axis=1, keepdims=True)
    assert float(np.mean(centred[:, 1:] * centred[:, :-1]) / np.mean(centred**2)) == pytest.approx(0.7, abs=0.04)
    assert np.all(np.array(out[0]["tmax_c"]) >= np.array(out[0]["tmin_c"]))


def test_clear_days_in_winter_are_cold_and_in_summer_warm() -> None:
    def together(month: int) -> float:
        o = calculate("weather-draw", {"place": "inverness", "month": month, "days": 3660, "seed": 5}).dump()
        return float(np.corrcoef(o["kt_frac"], o["tmean_c"])[0, 1])

    assert together(12) < -0.1
    assert together(6) > 0.1


def test_polar_night_and_the_pole_break_nothing() -> None:
    dark = calculate("peak-sun-hours", {"lat_deg": 90, "ghi_kwh_m2_day": 0, "month": 12}).dump()
    assert dark["peak_sun_hours_h"] == 0
    assert dark["clearness_frac"] is None
    assert calculate("panel-day-yield", {"lat_deg": 80, "ghi_kwh_m2_day": 0, "month": 1, "power_stc_w": 100}).dump()["energy_wh_day"] == 0
    sun = calculate("sun-position", {"time_utc": "2026-12-21T12:00:00Z", "lat_deg": 90, "lon_deg": 0}).dump()
    assert sun["air_mass"] is None
    assert calculate("clear-sky-day", {"date": "2026-12-21", "lat_deg": 85, "lon_deg": 0}).dump()["clearness_frac"] is None
    assert month_clearness(85.0, 12, 0.0) == 0.35
    assert distribution(85.0, 12, 0.0, 0.35).most >= 0.39


@pytest.mark.parametrize(
    ("calc", "change", "key"),
    [
        ("sun-position", {"time_utc": "2026-06-21T12:00:00"}, "time_utc"),
        ("sun-position", {"time_utc": "midsummer day"}, "time_utc"),
        ("sun-position", {"time_utc": "1801-06-21T12:00:00Z"}, "time_utc"),
        ("sun-position", {"lat_deg": 91}, "lat_deg"),
        ("clear-sky-day", {"date": "2026-02-30"}, "date"),
        ("peak-sun-hours", {"place": "atlantis"}, "place"),
        ("peak-sun-hours", {"place": None, "lat_deg": 50}, "place"),
        ("peak-sun-hours", {"place": None, "lat_deg": 50, "ghi_kwh_m2_day": 11}, "ghi_kwh_m2_day"),
        ("panel-day-yield", {"controller_type": "pwm"}, "panel_vmp_v"),
        ("panel-day-yield", {"shade_frac": [0.5] * 23}, "shade_frac"),
        ("panel-day-yield", {"place": None, "lat_deg": 50, "ghi_kwh_m2_day": 1, "tmin_c": 20, "tmax_c": 10}, "tmax_c"),
        ("curved-panel-factor", {"roof_radius_m": 0.5}, "roof_radius_m"),
        ("curved-panel-factor", {"bypass_group_count": 5}, "bypass_group_count"),
        ("curved-panel-factor", {"dni_w_m2": 0, "dhi_w_m2": 0}, "dni_w_m2"),
        ("weather-draw", {"days": 0}, "days"),
        ("weather-draw", {"seed": True}, "seed"),
    ],
)
def test_what_is_wrong_is_named(calc: str, change: dict[str, Any], key: str) -> None:
    from bothy.core.calculators import CALCULATORS

    with pytest.raises(BadInput) as e:
        calculate(calc, {**CALCULATORS[calc].example, **change})
    assert e.value.key == key
