"""What devices said, kept: minutes out of values, hours out of minutes, a log out of both."""

from __future__ import annotations

import datetime as dt

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.live.kept import HOUR_S, MINUTE_S, Kept, hours_of, log_of
from tests.devices.test_live import NOON, played

NOW = dt.datetime(2027, 6, 1, 10, 0)


def kept(kind: str, key: str, minute: int, mean: float, *, device: str = "", simulated: bool = False, n: int = 60, span_s: int = MINUTE_S) -> Kept:
    return Kept(device or kind, kind, key, NOW + dt.timedelta(minutes=minute), span_s, mean, mean - 1, mean + 1, n, simulated)


def bank(minute: int, volts: float, amps: float, simulated: bool = False) -> list[Kept]:
    return [
        kept("battery_monitor", "voltage_v", minute, volts, simulated=simulated),
        kept("battery_monitor", "current_a", minute, amps, simulated=simulated),
        kept("battery_monitor", "soc_frac", minute, 0.5, simulated=simulated),
    ]


def test_a_hub_gives_each_whole_minute_once() -> None:
    hub, _ = played(200)
    rows = [k for k in hub.whole() if k.key == "voltage_v"]
    assert [k.at for k in rows] == [dt.datetime.fromtimestamp(NOON + 60 * n, dt.UTC).replace(tzinfo=None) for n in range(3)]
    assert [k.value_count for k in rows] == [60, 60, 60]
    assert all(k.simulated and k.low <= k.mean <= k.high for k in rows)
    assert hub.whole() == []
    hub.again(rows)
    assert hub.whole() == rows


def test_the_day_goes_on_after_a_start() -> None:
    hub, _ = played(200)
    rows = hub.whole()
    fresh, _ = played(0)
    fresh.remember(rows)
    day = next(x for x in fresh.day() if x.key == "voltage_v")
    assert len(day.points) == 3
    assert [p[0] for p in day.expected][:2] == [86400, 85500]
    assert all(low <= mid <= high for _, low, mid, high in day.expected)
    assert day.expected[-1][2] == pytest.approx(day.expected[0][2]), "the day goes round"


@given(st.lists(st.tuples(st.integers(0, 179), st.floats(-100, 100), st.integers(1, 60)), min_size=1, max_size=60, unique_by=lambda x: x[0]))
def test_hours_hold_what_their_minutes_held(minutes: list[tuple[int, float, int]]) -> None:
    rows = [kept("thermometer", "temp_c", m, v, n=n) for m, v, n in minutes]
    hours = hours_of(rows)
    assert sum(h.value_count for h in hours) == sum(r.value_count for r in rows)
    assert sum(h.mean * h.value_count for h in hours) == pytest.approx(sum(r.mean * r.value_count for r in rows), abs=1e-6)
    assert min(h.low for h in hours) == min(r.low for r in rows)
    assert all(h.span_s == HOUR_S and h.at.minute == 0 for h in hours)
    assert [h.mean for h in hours_of(hours)] == pytest.approx([h.mean for h in hours]), "hours stay hours"


def test_a_log_by_hand() -> None:
    """13 V, 10 A in, 200 W of sun, 5 A of driving charge: 200 + 5·13 − 13·10 = 135 W of load."""
    rows = []
    for m in range(120):
        rows += bank(m, 13.0, 10.0)
        rows += [kept("solar_controller", "power_w", m, 120.0, device="solar-1"), kept("solar_controller", "power_w", m, 80.0, device="solar-2")]
        rows += [kept("dcdc_charger", "output_current_a", m, 5.0), kept("thermometer", "temp_c", m, 21.0)]
    log = log_of(rows, 2.0)
    assert log.start == dt.datetime(2027, 6, 1, 12, 0), "in the place's standard time"
    assert log.load_w == pytest.approx([135, 135])
    assert log.solar_w == pytest.approx([200, 200])
    assert (log.volts[0], log.soc[0], log.cabin_c[0], log.simulated) == (13.0, 0.5, 21.0, False)
    # what is by the hour already says the same
    again = log_of(hours_of(rows), 2.0)
    assert again.load_w == pytest.approx(log.load_w)


def test_a_load_needs_all_that_feeds_it() -> None:
    rows = bank(0, 13.0, -5.0) + bank(61, 13.0, -5.0) + [kept("solar_controller", "power_w", 61, 30.0)]
    log = log_of(rows, 0)
    assert np.isnan(log.load_w[0]), "the sun of the first hour isn't known"
    assert log.load_w[1] == pytest.approx(30 + 65)


def test_real_values_win_over_simulated_ones() -> None:
    log = log_of(bank(0, 13.0, -5.0) + bank(1, 99.0, -90.0, simulated=True), 0)
    assert (log.load_w[0], log.simulated) == (pytest.approx(65), False)
    assert log_of(bank(0, 13.0, -5.0, simulated=True), 0).simulated


@pytest.mark.parametrize(
    ("rows", "words"),
    [
        ([], "no volts and amps"),
        ([kept("thermometer", "temp_c", 0, 20.0)], "no volts and amps"),
        (bank(0, 13.0, 1.0) + bank(60 * 24 * 400, 13.0, 1.0), "at most 366"),
    ],
)
def test_too_little_and_too_much_are_said(rows: list[Kept], words: str) -> None:
    with pytest.raises(BadInput, match=words):
        log_of(rows, 0)
