"""From a plan of days to plain arrays, through the compiled kernel, to sums (method trips.run)."""

from __future__ import annotations

import datetime as dt
import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field
from functools import cache, lru_cache
from typing import Any, Literal

import numpy as np
from numpy.typing import NDArray

from bothy.core.catalogue.climates import Climate
from bothy.core.sun.clearness import Clearness, day_profile, diffuse_part, of_place
from bothy.core.sun.draws import KT_AUTOCORR, TEMP_AUTOCORR, chain, luck, spread_k, warm_when_clear
from bothy.core.sun.geometry import MID_MONTH, SOLAR_CONSTANT_W_M2, Array, midpoints, season_of, sun_at, sunset_angle
from bothy.core.sun.plane import HEADINGS_DEG, UPLIFT_K, Module, incidence
from bothy.core.trips import places

Deploy = Literal["fixed", "lift", "ground"]
REFILLS = {"water": 1, "grey_dump": 2, "toilet_dump": 4, "gas": 8, "diesel": 16}
BLOCK = 8
"""Draws a block: between two of them a run can be cancelled, and says how far it is."""


@dataclass(frozen=True, slots=True)
class DayForecast:
    """A day's weather as a forecast has it: clearness, and the air's extremes in °C."""

    clearness: float
    tmin_c: float
    tmax_c: float


@dataclass(frozen=True, slots=True)
class PlanDay:
    """One local day. Times in clock hours; ``heading_deg`` None is unknown, ``clearness`` None is left to the weather."""

    place: Climate
    date: dt.date
    persons: float = 2.0
    drive_start_h: float = 9.0
    drive_h: float = 0.0
    shore: bool = False
    heading_deg: float | None = None
    clearness: float | None = None
    refills: tuple[str, ...] = ()
    refill_h: float = 9.0
    forecast: DayForecast | None = None
    generator: tuple[float, float, float] | None = None
    """From which hour, for how many, and how much in W, where there is no hook-up."""
    again: tuple[float, float] = (0.0, 0.0)
    """A second drive: from which hour, for how many."""

    def driving(self, hours: Array) -> NDArray[np.bool_]:
        """Which of these clock hours are driven."""
        first = (self.drive_start_h <= hours) & (hours < self.drive_start_h + self.drive_h)
        return first | ((self.again[0] <= hours) & (hours < self.again[0] + self.again[1]))

    def mains(self, hook_up_w: float) -> tuple[float, float, float]:
        """Mains of the day: from and to which hour, and W at most."""
        if self.shore:
            return 0.0, 24.0, hook_up_w
        return (self.generator[0], self.generator[0] + self.generator[1], self.generator[2]) if self.generator else (0.0, 0.0, 0.0)


@dataclass(frozen=True, slots=True)
class PlanArray:
    """Panels of one plane. ``azimuth_deg`` is relative to the heading, absolute on the ground; shade of 24 clock hours."""

    module: Module
    tilt_deg: float = 0.0
    azimuth_deg: float = 0.0
    deploy: Deploy = "fixed"
    shade: tuple[float, ...] = (0.0,) * 24
    controller: int = 0
    """Which controller it is on: arrays of one stand beside each other in the plan."""
    efficiency: float = 0.97
    most_w: float = 1e12
    """Of its controller."""
    held: float | None = None
    """A PWM controller holds the panel at the bank's voltage: that over its best one, at most 1."""


@dataclass(frozen=True)
class Replay:
    """Weather that was: clearness, lowest and highest temperature in °C, by year and day of the trip."""

    years: tuple[int, ...]
    clear: Array
    tmin_c: Array
    tmax_c: Array


@dataclass(frozen=True)
class Plan:
    """Everything a run needs: days, panels, bank and numbers (see the kernel), loads in W by day, step and tier."""

    days: Sequence[PlanDay]
    step_min: int
    arrays: Sequence[PlanArray]
    bank: Array
    numbers: Array
    dc: Array
    ac: Array
    draws: bool = False
    seed: int = 0
    draw_count: int = 1
    kt_autocorr: float = KT_AUTOCORR
    temp_autocorr: float = TEMP_AUTOCORR
    replay: Replay | None = None
    """Years of the places' files instead of draws."""

    @property
    def weather_count(self) -> int:
        """Through how many weathers it runs."""
        return len(self.replay.years) if self.replay is not None else self.draw_count if self.draws else 1

    @property
    def hours(self) -> Array:
        """Clock hours of the middles of the steps."""
        return midpoints(self.step_min)


@cache
def _mid_month(c: Climate, day_of_year: int) -> tuple[float, float]:
    """Mean daily minimum and maximum of a place on a day of the year, between the middles of the months."""
    n = min(day_of_year, 365)
    xs = [MID_MONTH[-1] - 365, *MID_MONTH, MID_MONTH[0] + 365]
    return (float(np.interp(n, xs, [c.tmin_c[-1], *c.tmin_c, c.tmin_c[0]])), float(np.interp(n, xs, [c.tmax_c[-1], *c.tmax_c, c.tmax_c[0]])))


@cache
def _month_days(c: Climate, month: int) -> Clearness:
    return of_place(c, month)


@dataclass
class Weather:
    """Weather by draw and day: clearness, diffuse clearness, mean temperature and daily swing in °C and K."""

    clear: Array
    diffuse: Array
    mean_c: Array
    swing_c: Array


def weather_of(plan: Plan) -> Weather:
    """The weathers of a plan: its normals, as many draws as it asks for, or the years of its places' files."""
    from scipy.special import ndtr

    n, count, past = len(plan.days), plan.weather_count, plan.replay
    places = [d.place for d in plan.days]
    years = [d.date.timetuple().tm_yday for d in plan.days]
    months = [_month_days(d.place, d.date.month) for d in plan.days]
    normals = np.array([_mid_month(d.place, y) for d, y in zip(plan.days, years, strict=True)])
    mean_k = np.array([m.mean for m in months])
    if past is not None:
        clear, off = past.clear.copy(), np.zeros((count, n))
    elif plan.draws:
        e = np.stack([luck(plan.seed, d, n) for d in range(count)])
        rho = np.array([warm_when_clear(c.lat_deg, y) for c, y in zip(places, years, strict=True)])
        alike = np.array([plan.kt_autocorr if c.kt_autocorr is None else c.kt_autocorr for c in places])
        as_warm = np.array([plan.temp_autocorr if c.temp_autocorr is None else c.temp_autocorr for c in places])
        u = ndtr(chain(e[:, :, 0], alike))
        clear = np.stack([m.quantile(u[:, j]) for j, m in enumerate(months)], axis=1)
        x = chain(rho * e[:, :, 0] + np.sqrt(1 - rho**2) * e[:, :, 1], as_warm)
        off = x * np.array([spread_k(c.lat_deg) if c.spread_k is None else c.spread_k for c in places])
    else:
        clear, off = mean_k[None, :].copy(), np.zeros((1, n))
    for j, d in enumerate(plan.days):
        if d.forecast is not None:
            clear[:, j] = min(0.85, max(0.0, d.forecast.clearness))
        if d.clearness is not None:
            clear[:, j] = d.clearness
    diffuse = np.empty_like(clear)
    for j, (c, y) in enumerate(zip(places, years, strict=True)):
        diffuse[:, j] = diffuse_part(clear[:, j], sunset_angle(c.lat_deg, season_of(y).dec)) * clear[:, j]
    swing = (normals[:, 1] - normals[:, 0]) * (0.5 + 0.5 * clear / mean_k)
    mean = normals.mean(axis=1) + off
    if past is not None:
        mean, swing = (past.tmin_c + past.tmax_c) / 2, past.tmax_c - past.tmin_c
    for j, d in enumerate(plan.days):
        if d.forecast is not None:
            mean[:, j], swing[:, j] = (d.forecast.tmin_c + d.forecast.tmax_c) / 2, d.forecast.tmax_c - d.forecast.tmin_c
    return Weather(clear, diffuse, mean, swing)


@dataclass
class _Sky:
    """The sun by day and step, as the kernel takes it."""

    outside: Array
    cos_z: Array
    azimuth: Array
    unit: Array
    swing_at: Array


def _sky_of(plan: Plan) -> _Sky:
    rows = [_sky_day(d.place, d.date.timetuple().tm_yday, plan.step_min) for d in plan.days]
    return _Sky(np.array([r[0] for r in rows]), *(np.stack([r[k] for r in rows]) for k in range(1, 5)))


@lru_cache(maxsize=2048)
def _sky_day(c: Climate, day: int, step_min: int) -> tuple[float, Array, Array, Array, Array]:
    """The sun's path over a day at a place, kept from one run to the next: an edit seldom moves the trip."""
    s = season_of(day)
    solar = midpoints(step_min) + c.lon_deg / 15 - c.utc_offset_h + s.eot_min / 60
    sun = sun_at(c.lat_deg, s.dec, solar)
    return SOLAR_CONSTANT_W_M2 * s.e0, sun.cos_z, sun.azimuth, day_profile(c.lat_deg, s.dec, sun.w, sun.cos_z), np.cos(2 * math.pi * (solar - 15) / 24)


def swings(plan: Plan) -> Array:
    """Where in its daily swing the air is, by day and step: 1 at its warmest, -1 at its coldest."""
    return _sky_of(plan).swing_at


@dataclass
class Arrays:
    """All arrays of a run, in the order of the kernel's arguments."""

    items: list[Array] = field(default_factory=list)

    @property
    def steps(self) -> int:
        """Steps of a day."""
        return int(self.items[1].shape[0])


def _planes(plan: Plan, sky: _Sky) -> tuple[Array, Array, Array, Array, Array]:
    """Incidence by heading, which headings are whose, and what of sky and ground each array sees, by day and step."""
    shape = sky.cos_z.shape
    heads, columns = [0], []
    seen = np.ones((*shape, len(plan.arrays)))
    below, on = np.zeros_like(seen), np.ones_like(seen)
    for a, x in enumerate(plan.arrays):
        many = HEADINGS_DEG if x.tilt_deg > 0 else (0.0,)
        heads.append(heads[-1] + len(many))
        cos_i = np.empty((*shape, len(many)))
        tilt = math.radians(x.tilt_deg)
        for j, d in enumerate(plan.days):
            driving = d.driving(plan.hours)
            flat = driving & (x.deploy == "lift")
            seen[j, :, a] = np.where(flat, 1.0, (1 + math.cos(tilt)) / 2)
            below[j, :, a] = np.where(flat, 0.0, (1 - math.cos(tilt)) / 2)
            if x.deploy == "ground":
                on[j, :, a] = np.where(driving | (d.persons <= 0), 0.0, 1.0)
            for k, unknown in enumerate(many):
                facing = x.azimuth_deg if x.deploy == "ground" else unknown if d.heading_deg is None else d.heading_deg + x.azimuth_deg
                there = incidence(sky.cos_z[j], sky.azimuth[j], x.tilt_deg, facing)
                if d.heading_deg is not None and x.deploy == "fixed" and driving.any():
                    there = np.where(driving, incidence(sky.cos_z[j], sky.azimuth[j], x.tilt_deg, unknown), there)
                cos_i[j, :, k] = np.where(flat, np.maximum(0.0, sky.cos_z[j]), there)
        columns.append(cos_i)
    planes = np.concatenate(columns, axis=2) if columns else np.zeros((*shape, 0))
    return planes, np.array(heads, dtype=float), seen, below, on


STEEP_DEG = 30.0
"""Snow slides off panels that lean as much on a clear day (method trips.shade)."""


def _array_rows(arrays: Sequence[PlanArray]) -> Array:
    """A row for each array, as the kernel reads it; at least its width where there is none."""
    rows = []
    for n, x in enumerate(arrays):
        m = x.module
        heat = (m.noct_c - 20) / 800 + UPLIFT_K[m.mounting] / 1000
        last = n + 1 == len(arrays) or arrays[n + 1].controller != x.controller
        rows.append(
            [
                m.power_stc_w,
                m.power_coeff_per_k,
                heat,
                m.iam_b0,
                m.low_light_coeff,
                m.soiling_frac,
                m.wiring_frac * m.mismatch_frac,
                m.sky_view_frac,
                x.efficiency,
                x.most_w,
                float(last),
                float(x.tilt_deg >= STEEP_DEG),
                x.held if x.held is not None else places.NOT_HELD,
            ]
        )
    return np.array(rows) if rows else np.zeros((0, places.ARRAY_SIZE))


def arrays_of(plan: Plan, weather: Weather | None = None) -> Arrays:
    """The arrays that the kernel reads."""
    sky, w = _sky_of(plan), weather or weather_of(plan)
    rows = np.zeros((len(plan.days), places.DAY_SIZE))
    for j, d in enumerate(plan.days):
        bits = sum(REFILLS[r] for r in d.refills)
        refill = math.floor(d.refill_h / (plan.step_min / 60)) if bits else -1
        rows[j] = (
            d.drive_start_h,
            d.drive_h,
            d.persons,
            refill,
            bits,
            sky.outside[j],
            *d.mains(plan.numbers[places.SHORE_MOST]),
            d.place.rh_frac[d.date.month - 1],
            float(d.generator is not None and not d.shore),
            _month_days(d.place, d.date.month).mean,
            *d.again,
        )
    panels = _array_rows(plan.arrays)
    shade = np.array([x.shade for x in plan.arrays]) if plan.arrays else np.zeros((0, 24))
    planes, heads, seen, below, on = _planes(plan, sky)
    return Arrays(
        [
            rows,
            plan.hours,
            sky.cos_z,
            sky.unit,
            sky.swing_at,
            planes,
            heads,
            seen,
            below,
            on,
            panels,
            shade,
            w.clear,
            w.diffuse,
            w.mean_c,
            w.swing_c,
            plan.dc,
            plan.ac,
            plan.numbers,
            plan.bank,
        ]
    )


# places in :class:`Arrays` of what differs between sets of parts, and between weathers
PANELS, SHADE, WEATHER, NUMBERS, BANK = 10, 11, slice(12, 16), 18, 19


def refitted(ready: Arrays, plan: Plan, first_draw: int, last_draw: int) -> Arrays:
    """The same days and sun with other panels in the same planes, another bank and other numbers, through some of the draws.

    A plan without the last of the panels keeps their planes and gets panels of no power, so that all sets share the arrays of the sun.
    """
    items = list(ready.items)
    count = items[PANELS].shape[0]
    rows = _array_rows(plan.arrays)
    if rows.shape[0] > count:
        raise ValueError(f"{rows.shape[0]} planes of panels, {count} were made ready")
    rows = np.concatenate([rows, np.zeros((count - rows.shape[0], items[PANELS].shape[1]))])
    items[PANELS] = rows
    items[WEATHER] = [x[first_draw:last_draw] for x in items[WEATHER]]
    items[NUMBERS], items[BANK] = plan.numbers, plan.bank
    return Arrays(items)


@dataclass
class Result:
    """What a run left behind, by draw: ledger and summary (see the kernel), days with a shortage, events, and series by step where they were asked for."""

    ledger: Array
    summary: Array
    short_day: Any
    events: Array
    event_count: Any
    series: Array

    def draw_events(self, d: int) -> list[tuple[float, int]]:
        """(day, kind) of one draw."""
        return [(float(t), int(k)) for t, k in self.events[d, : int(self.event_count[d])]]


EVENTS_KEPT = 400
Keep = Callable[[int, int, Array], None]
"""Takes first and last draw of a block and its series by draw, step and quantity."""


def blocks(count: int, size: int = BLOCK) -> Iterator[tuple[int, int]]:
    """First and last draw of each block."""
    for start in range(0, count, size):
        yield start, min(count, start + size)


def simulate(
    plan: Plan,
    *,
    series: bool = False,
    keep: Keep | None = None,
    weather: Weather | None = None,
    ready: Arrays | None = None,
    between: Callable[[int, int], None] | None = None,
    workers: int = 1,
) -> Result:
    """Run a plan. ``between`` is called after each block with draws done and in all; it may raise to cancel. ``workers`` blocks run beside each other.

    ``ready`` are arrays made before, with as many draws as they hold. ``series`` keeps every step of every draw; ``keep`` is given the series of
    each block instead, so that long runs need little memory.
    """
    from concurrent.futures import ThreadPoolExecutor

    from bothy.core.trips import kernel

    ready = ready or arrays_of(plan, weather)
    count, n = ready.items[WEATHER][0].shape[0], len(plan.days)
    steps = n * ready.steps
    out = Result(
        np.zeros((count, places.LEDGER_SIZE)),
        np.zeros((count, places.SUMMARY_SIZE)),
        np.zeros((count, n), dtype=np.int8),
        np.zeros((count, EVENTS_KEPT, 2)),
        np.zeros(count, dtype=np.int64),
        np.zeros((count if series else 0, steps if series else 0, places.SERIES_SIZE), dtype=np.float32),
    )

    def one(block: tuple[int, int]) -> int:
        first, last = block
        if series:
            mine = out.series[first:last]
        else:
            mine = np.empty((last - first if keep else 0, steps if keep else 0, places.SERIES_SIZE), dtype=np.float32)
        results = (out.ledger, out.summary, out.short_day, out.events, out.event_count, mine)
        kernel.run(first, last, plan.step_min / 60, *ready.items, *results)
        if keep is not None:
            keep(first, last, mine)
        return last - first

    done = 0
    todo = list(blocks(count))
    if workers <= 1 or len(todo) < 2:
        for b in todo:
            done += one(b)
            if between is not None:
                between(done, count)
        return out
    with ThreadPoolExecutor(workers) as pool:
        try:
            for made in pool.map(one, todo):
                done += made
                if between is not None:
                    between(done, count)
        except BaseException:
            pool.shutdown(cancel_futures=True)
            raise
    return out
