"""A log of the real thing beside the run: laid over it, how far off the run was, and base load and fridge fitted to it (method trips.calibrate)."""

from __future__ import annotations

import datetime as dt
from dataclasses import dataclass
from typing import Any

import numpy as np
from pydantic import BaseModel, ValidationError

from bothy.core.context import Context
from bothy.core.contract import explain
from bothy.core.design.life import Appliance
from bothy.core.finding import Finding, finding, rules
from bothy.core.method.sources import Method
from bothy.core.power.panels import soiling_of
from bothy.core.sun.geometry import Array
from bothy.core.trips.calibrate import CalibrateLoadsIn, CalibrateLoadsOut, calibrate_loads
from bothy.core.trips.plan import loads_of
from bothy.core.trips.run import TripRun
from bothy.core.words.says import trips_says as says

rules("trips", (("sim-calibration-bias", "advice", Method("trips.calibrate")),))

BIAS, BIAS_DAYS = 0.15, 7
FOLLOWS_R2 = 0.2
"""Below this the load does not follow the cabin's warmth, and the log says nothing of the fridges."""
FULL_SOC = 0.9
LEAST_EXTRA_W = 1.0
SAME_DUTY = 0.005
MEASURED_ID = "measured-base"


@dataclass(frozen=True)
class Log:
    """A log by hour from ``start`` on (local standard time); nan where nothing was written.

    Volts, state of charge 0 to 1, powers in W (load positive, solar positive), cabin in °C. ``simulated``: it was said by stand-ins, so nothing of it is taken
    over.
    """

    start: dt.datetime
    volts: Array
    soc: Array
    load_w: Array
    solar_w: Array
    cabin_c: Array
    simulated: bool = False


class MeasuredFit(BaseModel):
    """What the log says of the loads. ``simulated_*`` compare the run's half of the weathers with it; shares are of the measured mean."""

    row_count: int
    mean_measured_w: float
    base_w: float
    fridge_mean_w: float
    duty_frac: float | None
    rmse_w: float
    r2_frac: float | None
    simulated_bias_w: float | None
    simulated_bias_frac: float | None
    simulated_rmse_w: float | None


class MeasuredBeside(BaseModel):
    """A log on the time of the run: points of the lanes, None where nothing is known; the fit; the change that takes the fit over, in words and as operations.

    ``solar_ratio`` is measured ÷ simulated sun of days that never filled the bank.
    """

    first: str
    last: str
    hours: int
    overlap_h: int
    soc: list[float | None]
    load_w: list[float | None]
    sun_w: list[float | None]
    fit: MeasuredFit | None
    no_fit: str | None
    solar_ratio: float | None
    takes_over: list[str]
    patch: list[dict[str, Any]]
    findings: list[Finding]
    simulated: bool = False


def _points(log: Log, values: Array, run: TripRun) -> list[float | None]:
    begin = dt.datetime.fromisoformat(run.days[0].date)
    out: list[float | None] = []
    for i in range(run.day_count * run.per_day):
        hour = (begin + dt.timedelta(days=(i + 0.5) / run.per_day) - log.start).total_seconds() / 3600
        n = int(hour // 1)
        known = 0 <= n < values.size and not np.isnan(values[n])
        out.append(round(float(values[n]), 4) if known else None)
    return out


def _hourly(lane: list[float], run: TripRun, log: Log) -> Array:
    """A lane of the run by the log's hours; nan outside of it."""
    begin = dt.datetime.fromisoformat(run.days[0].date)
    out = np.full(log.load_w.size, np.nan)
    for n in range(out.size):
        day = (log.start + dt.timedelta(hours=n + 0.5) - begin).total_seconds() / 86400
        if 0 <= day < run.day_count:
            out[n] = lane[min(len(lane) - 1, int(day * run.per_day))]
    return out


def _listed(x: Array) -> list[float | None]:
    return [None if np.isnan(v) else float(v) for v in x]


def _fridges(ctx: Context) -> list[tuple[int, Appliance]]:
    """Appliances that cool by their duty, with their places in the list."""
    return [(i, a) for i, a in enumerate(ctx.design.life.appliances) if a.ambient_dependent and a.count > 0 and a.duty_frac is not None]


def beside(ctx: Context, run: TripRun, log: Log) -> MeasuredBeside:
    """Lay a log over a run and fit the loads to it."""
    simulated, cabin = _hourly(run.load_w.p50, run, log), _hourly(run.cabin_c.p50, run, log)
    known_cabin = np.where(np.isnan(log.cabin_c), cabin, log.cabin_c)
    fridges = _fridges(ctx)
    fit, problem, out = None, None, None
    power = sum(a.running_w * a.count for _, a in fridges)
    try:
        given = CalibrateLoadsIn(
            load_power_w=_listed(log.load_w),
            cabin_temp_c=_listed(known_cabin),
            simulated_power_w=_listed(simulated) if not np.isnan(simulated).all() else None,
            fridge_power_w=power or None,
        )
        out = calibrate_loads(given)
        fit = MeasuredFit.model_validate({k: getattr(out, k) for k in MeasuredFit.model_fields})
    except ValidationError as exc:
        problem = explain(exc).message
    overlap = int((~np.isnan(simulated)).sum())
    words, patch = _take_over(ctx, out, fridges) if out is not None else ([], [])
    ratio, sunny_days = _solar_ratio(log, _hourly(run.sun_w.p50, run, log))
    if ratio is not None and sunny_days >= SUNNY_DAYS and abs(ratio - 1) > SAME_SUN:
        said, dirt = _dirt(ctx, ratio, sunny_days)
        words, patch = words + said, patch + dirt
    found = []
    if log.simulated:
        words, patch = [], []
    elif fit is not None and fit.simulated_bias_frac is not None and abs(fit.simulated_bias_frac) > BIAS and overlap >= 24 * BIAS_DAYS:
        found.append(
            finding(
                "sim-calibration-bias",
                "trips",
                says("log"),
                says(
                    "on-average-were-measured",
                    mean_measured_w=fit.mean_measured_w,
                    simulated_bias_frac=f"{fit.simulated_bias_frac:+.0%}",
                    base_w=fit.base_w,
                    fridge_mean_w=fit.fridge_mean_w,
                ),
            )
        )
    hours = log.load_w.size
    return MeasuredBeside(
        first=log.start.isoformat(timespec="minutes"),
        last=(log.start + dt.timedelta(hours=hours)).isoformat(timespec="minutes"),
        hours=hours,
        overlap_h=overlap,
        soc=_points(log, log.soc, run),
        load_w=_points(log, log.load_w, run),
        sun_w=_points(log, log.solar_w, run),
        fit=fit,
        no_fit=problem,
        solar_ratio=ratio,
        takes_over=words,
        patch=patch,
        findings=found,
        simulated=log.simulated,
    )


SUNNY_DAYS, SAME_SUN, LEAST_LEFT = 3, 0.05, 0.5
"""So many days, and so much difference, before dirt and shade are set by what was measured; never under half of the light."""


def _dirt(ctx: Context, ratio: float, days: int) -> tuple[list[str], list[dict[str, Any]]]:
    """What dirt and shade leave of the light, by the sun that was measured; the same part for all arrays, for a log tells them not apart."""
    words, ops = [], []
    for i, a in enumerate(ctx.design.power.arrays):
        now = soiling_of(a)
        new = round(min(1.0, max(LEAST_LEFT, now * ratio)), 3)
        if new != now:
            words.append(says("dirt-and-shade-leave", a_name=a.name, new=new, now=now, days=days))
            ops.append({"op": "replace", "path": f"/power/arrays/{i}/soiling_frac", "value": new})
    return words, ops


def _solar_ratio(log: Log, simulated: Array) -> tuple[float | None, int]:
    """Measured over simulated sun on whole days that never filled the bank, and how many; a full bank hides what the panels could give."""
    skip = (24 - log.start.hour) % 24
    measured, made, days = 0.0, 0.0, 0
    for at in range(skip, log.solar_w.size - 23, 24):
        day = slice(at, at + 24)
        if np.isnan(log.solar_w[day]).any() or np.isnan(simulated[day]).any() or np.isnan(log.soc[day]).all() or np.nanmax(log.soc[day]) >= FULL_SOC:
            continue
        measured += float(log.solar_w[day].sum())
        made += float(simulated[day].sum())
        days += 1
    return (measured / made if made > 0 else None), days


def _take_over(ctx: Context, out: CalibrateLoadsOut, fridges: list[tuple[int, Appliance]]) -> tuple[list[str], list[dict[str, Any]]]:
    """The fridges' duties as measured, and what the appliances do not explain of the rest as a load of its own."""
    words: list[str] = []
    ops: list[dict[str, Any]] = []
    items = ctx.design.life.appliances
    modelled = sum(a.running_w * a.count * (a.duty_frac or 0) for _, a in fridges)
    follows = bool(fridges) and modelled > 0 and out.fridge_mean_w > 0 and (out.r2_frac or 0) >= FOLLOWS_R2
    if follows:
        ratio = out.fridge_mean_w / modelled
        for at, a in fridges:
            duty = round(min(1.0, (a.duty_frac or 0) * ratio), 4)
            if abs(duty - (a.duty_frac or 0)) < SAME_DUTY:
                continue
            words.append(says("runs-time-at-instead", a_name=a.name, duty=duty, duty_frac=a.duty_frac))
            ops += [{"op": "replace", "path": f"/life/appliances/{at}/{key}", "value": value} for key, value in (("duty_frac", duty), ("trust", "measured"))]
    elif fridges:
        words.append(says("load-does-not-follow"))
    cooling = {a.id for _, a in fridges} if follows else set()
    old = next((i for i, a in enumerate(items) if a.id == MEASURED_ID), None)
    rest = _modelled_w(ctx, cooling | {MEASURED_ID})
    extra = (out.base_w if follows else out.mean_measured_w) - rest
    if old is not None and abs(extra - (items[old].power_w or 0)) <= LEAST_EXTRA_W:
        return words, ops
    if extra > LEAST_EXTRA_W:
        words.append(says("that-no-appliance-list", extra_w=extra))
        value = Appliance(
            id=MEASURED_ID, name=says("base-load-that-was"), kind="electronics", power_w=round(extra, 1), hours_per_day=24.0, trust="measured"
        ).model_dump(mode="json")
        ops.append(
            {"op": "replace", "path": f"/life/appliances/{old}", "value": value}
            if old is not None
            else {"op": "add", "path": "/life/appliances/-", "value": value}
        )
    elif extra < -LEAST_EXTRA_W:
        words.append(says("list-uses-more-than", extra_w=-extra))
        if old is not None:
            ops.append({"op": "remove", "path": f"/life/appliances/{old}"})
    return words, ops


def _modelled_w(ctx: Context, without: set[str]) -> float:
    """Mean power of the appliances on the days of the trip, some of them left out, at the bank and the sockets."""
    life = ctx.design.life
    kept = ctx.design.model_copy(update={"life": life.model_copy(update={"appliances": [a for a in life.appliances if a.id not in without]})})
    dc, ac = loads_of(Context(kept))
    return float(dc.sum(axis=2).mean() + ac.sum(axis=2).mean())
