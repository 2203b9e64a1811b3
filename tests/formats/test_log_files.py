"""Logs: columns found or told, times put in order, load power from what flows; and what the log says beside the run."""

from __future__ import annotations

import copy
import datetime as dt
import math
from typing import Any

import numpy as np
import pytest

from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.design.edit import apply_patch
from bothy.core.trips.calibrate import fridge_ratio
from bothy.core.trips.measured import MEASURED_ID, Log, MeasuredBeside, beside
from bothy.core.trips.of_design import run_trip
from bothy.formats.log_files import LogRead, LogText, understand
from tests.designs import BANK, FRIDGE, LAMP, MPPT, PANELS, lived

HEAD = "time;battery voltage (V);current (A);SOC (%);solar power (W)"


def rows(*lines: str, head: str = HEAD) -> str:
    return "\n".join([head, *lines]) + "\n"


def read(text: str, **more: Any) -> tuple[LogRead, Log]:
    r, log = understand(LogText(text=text, **more))
    assert log is not None, r.asks
    return r, log


def test_load_is_what_came_in_less_what_went_into_the_bank() -> None:
    r, log = read(rows("2026-06-01 10:00;13.0;5;80;200", "2026-06-01 11:00;13.0;-10;79;0"), positive="charges")
    assert log.load_w.tolist() == [200 - 65, 130]
    assert log.soc.tolist() == [0.8, 0.79]
    assert log.start == dt.datetime(2026, 6, 1, 10)
    assert (r.first, r.last, r.lines) == ("2026-06-01T10:00", "2026-06-01T12:00", 2)
    _, other = read(rows("2026-06-01 10:00;13.0;-5;80;200"), positive="discharges")
    assert other.load_w.tolist() == [135]


def test_a_load_column_is_taken_as_it_is() -> None:
    r, log = read(rows("2026-06-01T10:00;42", head="timestamp;load power"))
    assert log.load_w.tolist() == [42]
    assert math.isnan(log.soc[0])
    assert r.asks == []


def test_minutes_become_means_of_the_hour_and_gaps_stay_gaps() -> None:
    _, log = read(rows("2026-06-01 10:00,10", "2026-06-01 10:30,20", "2026-06-01 13:59,7", head="time,load"))
    assert log.load_w[0] == 15
    assert np.isnan(log.load_w[1:3]).all()
    assert log.load_w[3] == 7


def test_what_is_missing_is_asked_for() -> None:
    r, log = understand(LogText(text=rows("2026-06-01 10:00;13;5", head="when;volts;amps")))
    assert log is None
    assert r.asks == ["the column of the time", "whether a positive current charges or discharges the bank"]
    assert r.headings == ["when", "volts", "amps"]
    r, log = understand(LogText(text=rows("2026-06-01 10:00;80", head="time;soc")))
    assert log is None
    assert "the load power" in r.asks[0]
    r, log = understand(LogText(text=rows("2026-06-01 10:00;13;5", head="when;volts;amps"), columns={"time": "when"}, positive="charges"))
    assert log is not None


def test_backward_and_double_times_are_put_right_and_said() -> None:
    r, log = read(rows("2026-06-01 11:00;20", "2026-06-01 10:00;10", "2026-06-01 10:00;30", "soon;5", head="time;load"))
    assert log.load_w.tolist() == [20, 20]
    assert any("1 time goes backward" in n for n in r.notes)
    assert any("1 time stands twice" in n for n in r.notes)
    assert any("line 5" in n for n in r.notes)


def test_numbers_that_are_none_are_gaps() -> None:
    _, log = read(rows("2026-06-01 10:00;inf", "2026-06-01 11:00;nan", "2026-06-01 12:00;12,5", "99999999999999999999;4", head="time;load"))
    assert np.isnan(log.load_w[:2]).all()
    assert log.load_w[2] == 12.5


def test_a_column_may_be_left_out() -> None:
    _, log = read(rows("2026-06-01 10:00;13.0;5;80;200"), positive="charges", columns={"solar": ""})
    assert log.load_w.tolist() == [-65]


def test_seconds_since_1970_are_times_too() -> None:
    _, log = read(rows("1780308000;12", "1780311600000;14", head="time;load"))
    assert log.start == dt.datetime(2026, 6, 1, 10)
    assert log.load_w.tolist() == [12, 14]


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "is empty"),
        (",", "has no cells"),
        ("load\n1\n", "one column only"),
        (rows("yesterday;5", head="time;load"), "no line with a time"),
        (rows("2010-01-01 00:00;5", "2026-01-01 00:00;5", head="time;load"), "at most 366"),
    ],
)
def test_what_is_no_log_is_refused(text: str, words: str) -> None:
    with pytest.raises(BadInput, match=words):
        understand(LogText(text=text))


# --- beside the run -------------------------------------------------------------------------------------


def trip(**more: Any) -> Any:
    fridge = {**FRIDGE, "ambient_dependent": True}
    data = lived([{**LAMP, "power_w": 10.0, "hours_per_day": 24.0}, fridge], {"bank": BANK, "arrays": [PANELS], "controller": MPPT})
    data["trips"] = {"start_date": "2026-06-01", "legs": [{"id": "a", "place": "london", "days_count": 10}], "draw_count": 10, **more}
    return Context(load_design(copy.deepcopy(data)))


def log_of(base_w: float, fridge_w: float, days: int = 8, soc: float = 0.6, sun: float | None = None, first: str = "2026-06-01") -> Log:
    """A log of a base and a fridge in a cabin whose warmth swings."""
    n = 24 * days
    cabin = 20 + 8 * np.sin(np.arange(n) / 24 * 2 * np.pi)
    load = base_w + fridge_w * np.array([fridge_ratio(t, 4, 25) for t in cabin])
    solar = np.full(n, np.nan) if sun is None else np.where((np.arange(n) % 24 > 6) & (np.arange(n) % 24 < 18), sun, 0.0)
    return Log(dt.datetime.fromisoformat(first), np.full(n, 13.2), np.full(n, soc), load, solar, cabin)


def against(log: Log, ctx: Any = None) -> MeasuredBeside:
    ctx = ctx or trip()
    return beside(ctx, run_trip(ctx), log)


def test_base_and_fridge_come_back_as_they_were_put_in() -> None:
    b = against(log_of(25.0, 20.0))
    assert b.fit is not None
    assert b.fit.base_w == pytest.approx(25.0, abs=0.01)
    assert b.fit.fridge_mean_w == pytest.approx(20.0, abs=0.01)
    assert b.fit.duty_frac == pytest.approx(20 / 48, abs=0.001)
    assert b.fit.r2_frac == pytest.approx(1.0)
    assert b.overlap_h == 192


def test_the_fit_taken_over_makes_the_run_agree_with_the_log() -> None:
    ctx = trip()
    b = against(log_of(25.0, 20.0), ctx)
    assert b.fit is not None
    assert b.fit.simulated_bias_frac is not None
    assert b.fit.simulated_bias_frac < -0.15
    assert [f.rule for f in b.findings] == ["sim-calibration-bias"]
    assert "runs 42% of the time at 25 °C instead of 30%" in b.takes_over[0]
    after = Context(apply_patch(ctx.design, b.patch))
    extra = after.design.appliance(MEASURED_ID)
    assert extra is not None
    assert extra.power_w == pytest.approx(15.0, abs=0.5), "25 W measured, 10 W of them the lamp"
    assert {a.trust for a in after.design.life.appliances if a.id in ("fridge", MEASURED_ID)} == {"measured"}
    again = against(log_of(25.0, 20.0), after)
    assert again.fit is not None
    assert again.fit.simulated_bias_frac is not None
    assert abs(again.fit.simulated_bias_frac) < abs(b.fit.simulated_bias_frac) / 2
    assert (again.takes_over, again.patch) == ([], []), "what was taken over is not asked for twice"


def test_less_than_the_list_is_said_without_a_guess() -> None:
    b = against(log_of(2.0, 14.4))
    assert any("the list uses" in w for w in b.takes_over)
    assert not [op for op in b.patch if op["path"].endswith("/-")]


def test_a_load_that_does_not_follow_the_cabin_leaves_the_fridge() -> None:
    log = log_of(30.0, 0.0)
    noise = np.where(np.arange(log.load_w.size) % 2 == 0, 6.0, -6.0)
    b = against(Log(log.start, log.volts, log.soc, log.load_w + noise, log.solar_w, log.cabin_c))
    assert any("stay as they are" in w for w in b.takes_over)
    assert not [op for op in b.patch if op["path"].endswith("duty_frac")]


def test_an_even_cabin_gives_no_fit_and_says_so() -> None:
    log = log_of(30.0, 10.0)
    b = against(Log(log.start, log.volts, log.soc, log.load_w, log.solar_w, np.full(log.cabin_c.size, 20.0)))
    assert b.fit is None
    assert b.no_fit is not None
    assert "same in every row" in b.no_fit
    assert b.patch == []


def test_a_log_of_another_summer_does_not_overlap() -> None:
    b = against(log_of(25.0, 20.0, first="2025-06-01"))
    assert b.overlap_h == 0
    assert b.soc == [None] * len(b.soc)
    assert b.fit is not None
    assert b.fit.simulated_bias_w is None
    assert b.findings == []


def test_the_overlay_stands_at_its_hours() -> None:
    ctx = trip()
    run = run_trip(ctx)
    log = log_of(25.0, 20.0, days=2, first="2026-06-03")
    b = beside(ctx, run, log)
    per_day = run.per_day
    assert b.load_w[: 2 * per_day] == [None] * 2 * per_day
    assert b.load_w[2 * per_day] == pytest.approx(float(log.load_w[0]), abs=1e-3)
    assert b.load_w[4 * per_day :] == [None] * (6 * per_day)


def test_the_sun_is_compared_on_days_that_never_filled_the_bank() -> None:
    dark = against(log_of(25.0, 20.0, sun=60.0))
    assert dark.solar_ratio is not None
    assert dark.solar_ratio > 0
    assert against(log_of(25.0, 20.0, sun=60.0, soc=0.97)).solar_ratio is None
    double = against(log_of(25.0, 20.0, sun=120.0)).solar_ratio
    assert double == pytest.approx(2 * dark.solar_ratio)


def test_the_suns_ratio_is_taken_over_as_dirt_within_reason() -> None:
    def dirt(sun: float, days: int | None = None) -> tuple[float | None, float | None, list[str]]:
        b = against(log_of(25.0, 20.0, sun=sun) if days is None else log_of(25.0, 20.0, sun=sun, days=days))
        ops = [op for op in b.patch if op["path"].endswith("/soiling_frac")]
        return b.solar_ratio, ops[0]["value"] if ops else None, [w for w in b.takes_over if "dirt and shade" in w]

    one, _, _ = dirt(60.0)
    assert one is not None
    ratio, value, words = dirt(60.0 * 0.8 / one)
    assert ratio == pytest.approx(0.8)
    assert value == pytest.approx(0.97 * 0.8, abs=1e-3)
    assert words[0].startswith("Panels: dirt and shade leave 78% of the light instead of 97%")
    assert dirt(60.0 * 0.2 / one)[1] == 0.5, "never less than half: then something else is wrong"
    assert dirt(60.0 * 1.5 / one)[1] == 1.0
    assert dirt(60.0 / one)[1] is None, "what agrees stays as it is"
    assert dirt(60.0 * 0.8 / one, days=2)[1] is None, "two days say little"
