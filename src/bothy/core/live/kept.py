"""What devices said, kept by the minute: what a minute holds, how hours are made of minutes, and how it becomes a log of the real thing."""

from __future__ import annotations

import datetime as dt
from collections import defaultdict
from collections.abc import Iterable, Sequence
from typing import NamedTuple

import numpy as np

from bothy.core.contract import BadInput
from bothy.core.trips.measured import Log
from bothy.core.words.says import live_says as says

MINUTE_S, HOUR_S = 60, 3600
MOST_HOURS = 366 * 24
BANK = "battery_monitor"


class Kept(NamedTuple):
    """A quantity over a span of ``span_s`` from ``at`` on (UTC, without zone): mean, least, greatest, how many values, and whether it was simulated."""

    device: str
    kind: str
    key: str
    at: dt.datetime
    span_s: int
    mean: float
    low: float
    high: float
    value_count: int
    simulated: bool


def hours_of(minutes: Iterable[Kept]) -> list[Kept]:
    """The hours that minutes make: means by the number of values, so that nothing is counted twice; what is simulated stays apart."""
    groups: dict[tuple[str, str, str, dt.datetime, bool], list[Kept]] = defaultdict(list)
    for m in minutes:
        groups[m.device, m.kind, m.key, m.at.replace(minute=0, second=0, microsecond=0), m.simulated].append(m)
    out = []
    for (device, kind, key, at, simulated), parts in groups.items():
        n = sum(p.value_count for p in parts)
        mean = sum(p.mean * p.value_count for p in parts) / n
        out.append(Kept(device, kind, key, at, HOUR_S, mean, min(p.low for p in parts), max(p.high for p in parts), n, simulated))
    return out


def _spans(rows: Sequence[Kept]) -> dict[tuple[dt.datetime, int], dict[tuple[str, str], list[float]]]:
    spans: dict[tuple[dt.datetime, int], dict[tuple[str, str], list[float]]] = defaultdict(lambda: defaultdict(list))
    for r in rows:
        spans[r.at, r.span_s][r.kind, r.key].append(r.mean)
    return spans


def log_of(rows: Sequence[Kept], utc_offset_h: float) -> Log:
    """A log by the hour in standard time of a place. Real values win: with any of them, simulated ones are left out.

    Load is sun and driving charge less what goes into the bank, of the spans in which all of them are known. Raises :class:`BadInput` where there is too
    little, or more than a year.
    """
    real = [r for r in rows if not r.simulated]
    used = real or list(rows)
    have = {(r.kind, r.key) for r in used}
    if not {(BANK, "voltage_v"), (BANK, "current_a")} <= have:
        raise BadInput("devices", says("hold-no-volts-and"))
    shift = dt.timedelta(hours=utc_offset_h)
    first = min(r.at for r in used) + shift
    start = first.replace(minute=0, second=0, microsecond=0)
    hours = int(max((r.at + shift - start).total_seconds() for r in used) // HOUR_S) + 1
    if hours > MOST_HOURS:
        raise BadInput("devices", says("span-at-most", hours=hours / 24, most_hours=MOST_HOURS // 24))
    lanes = {k: (np.zeros(hours), np.zeros(hours)) for k in ("volts", "soc", "load_w", "solar_w", "cabin_c")}

    def put(lane: str, hour: int, value: float | None, weight: int) -> None:
        if value is not None:
            total, seen = lanes[lane]
            total[hour] += value * weight
            seen[hour] += weight

    sun, driving = ("solar_controller", "power_w"), ("dcdc_charger", "output_current_a")
    for (at, span), found in _spans(used).items():
        hour = int((at + shift - start).total_seconds() // HOUR_S)
        mean = {k: sum(v) / len(v) for k, v in found.items()}
        volts, amps = mean.get((BANK, "voltage_v")), mean.get((BANK, "current_a"))
        solar = sum(found[sun]) if sun in found else None
        charged = sum(found[driving]) if driving in found else None
        put("volts", hour, volts, span)
        put("soc", hour, mean.get((BANK, "soc_frac")), span)
        put("solar_w", hour, solar, span)
        put("cabin_c", hour, mean.get(("thermometer", "temp_c")), span)
        whole = volts is not None and amps is not None and (solar is not None or sun not in have) and (charged is not None or driving not in have)
        if whole and volts is not None and amps is not None:
            put("load_w", hour, (solar or 0.0) + (charged or 0.0) * volts - volts * amps, span)
    made = {k: np.where(seen > 0, total / np.maximum(seen, 1), np.nan) for k, (total, seen) in lanes.items()}
    return Log(start, made["volts"], np.clip(made["soc"], 0, 1), made["load_w"], made["solar_w"], made["cabin_c"], simulated=not real)
