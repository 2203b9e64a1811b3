"""Hours of weather in which a work can be done (method build.weather)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import build_says as says

WEATHER = Method("build.weather")
WET_MM = 0.1


class Hour(NamedTuple):
    """An hour of weather: °C, mm of rain, m/s of wind, and whether it is light."""

    temp_c: float
    rain_mm: float = 0.0
    wind_m_s: float = 0.0
    daylight: bool = True

    @property
    def wet(self) -> bool:
        """Whether it rains."""
        return self.rain_mm >= WET_MM


class Wanted(NamedTuple):
    """What a work wants of the weather."""

    min_c: float = 5.0
    max_c: float = 35.0
    max_wind: float = 10.0
    dry: bool = True
    light: bool = False
    dry_before: int = 0
    dry_after: int = 0


def blocked_by(h: Hour, w: Wanted) -> list[str]:
    """What of an hour keeps the work from being done."""
    return [
        word
        for word, bad in (
            ("temp", not w.min_c <= h.temp_c <= w.max_c),
            ("rain", w.dry and h.wet),
            ("wind", h.wind_m_s > w.max_wind),
            ("dark", w.light and not h.daylight),
        )
        if bad
    ]


def starts_in(hours: Sequence[Hour], n: int, w: Wanted) -> list[int]:
    """Hours at which a work of ``n`` hours may begin: all its hours good, dry before, and dry after as far as is asked for."""
    good = [not blocked_by(h, w) for h in hours]
    out = []
    for s in range(len(hours) - n + 1):
        if not all(good[s : s + n]):
            continue
        if any(h.wet for h in hours[max(0, s - w.dry_before) : s]):
            continue
        after = hours[s + n : s + n + w.dry_after]
        if len(after) == w.dry_after and not any(h.wet for h in after):
            out.append(s)
    return out


def days_of_waiting(p: float, days: int) -> float:
    """How many days one waits on average for so many good days in a row, each good with probability ``p``."""
    if p >= 1 or days <= 0:
        return 0.0
    p = max(p, 0.02)
    return float((p**-days - 1) / (1 - p) - days)


class HourIn(Contract):
    temp_c: float = Field(ge=-60, le=60)
    rain_mm: float = Field(0, ge=0, le=500)
    wind_m_s: float = Field(0, ge=0, le=100)
    daylight: bool = True


class WeatherWindowIn(Contract):
    hours: list[HourIn] = Field(min_length=1, max_length=1000)
    duration_h: Whole = Field(ge=1, le=240)
    min_temp_c: float = Field(5, ge=-60, le=60)
    max_temp_c: float = Field(35, ge=-60, le=60)
    max_wind_m_s: float = Field(10, ge=0, le=100)
    needs_dry: bool = True
    needs_daylight: bool = False
    dry_before_h: Whole = Field(0, ge=0, le=240)
    dry_after_h: Whole = Field(0, ge=0, le=240)

    @model_validator(mode="after")
    def _range(self) -> Self:
        if self.max_temp_c < self.min_temp_c:
            raise wrong("max_temp_c", says("must-be-at-least-temp", min_temp_c=self.min_temp_c))
        return self


class WeatherWindowOut(Outcome):
    start_index: int | None
    start_indices: list[int]
    ok_hours_count: int
    blocked_hours_count: dict[str, int]


def weather_window(inp: WeatherWindowIn, sources: dict[str, Figure] | None = None) -> WeatherWindowOut:
    """When the work may begin. Method: build.weather."""
    w = Wanted(inp.min_temp_c, inp.max_temp_c, inp.max_wind_m_s, inp.needs_dry, inp.needs_daylight, inp.dry_before_h, inp.dry_after_h)
    hours = [Hour(h.temp_c, h.rain_mm, h.wind_m_s, h.daylight) for h in inp.hours]
    starts = starts_in(hours, inp.duration_h, w)
    why = [blocked_by(h, w) for h in hours]
    first = None if not starts else derived("start_index", says("first-hour-from-which"), starts[0], WEATHER, hour_count=len(hours))
    return WeatherWindowOut.of(
        start_index=first,
        start_indices=starts,
        ok_hours_count=derived("ok_hours_count", says("hours-that-nothing-blocks"), sum(not x for x in why), WEATHER, hour_count=len(hours)),
        blocked_hours_count={
            k: derived("blocked_hours_count", says("hours-that-blocks", k=k), sum(k in x for x in why), WEATHER, hour_count=len(hours))
            for k in ("temp", "rain", "wind", "dark")
        },
    )
