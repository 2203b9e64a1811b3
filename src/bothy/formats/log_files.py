"""Logs of battery monitors and solar controllers as CSV: which column is which, put in order, by the hour (method trips.calibrate)."""

from __future__ import annotations

import datetime as dt
from typing import Literal

import numpy as np
from pydantic import BaseModel, Field

from bothy.core.contract import BadInput
from bothy.core.sun.geometry import Array
from bothy.core.trips.measured import Log
from bothy.core.words.says import formats_says as says
from bothy.formats.tables import cells_of, in_years, number_of

MOST_CHARS = 30_000_000
MOST_HOURS = 366 * 24
WORDS: dict[str, tuple[str, ...]] = {
    "time": ("time", "timestamp", "datetime", "date", "date time"),
    "volts": ("voltage", "volts", "v", "battery voltage", "bank voltage", "voltage v"),
    "amps": ("current", "amps", "a", "battery current", "bank current", "current a"),
    "soc": ("soc", "state of charge", "charge", "soc %"),
    "solar": ("solar", "solar power", "pv", "pv power", "solar w", "yield"),
    "other": ("charger", "charger power", "dcdc", "alternator", "shore", "other charge"),
    "load": ("load", "load power", "consumption", "load w"),
    "cabin": ("cabin", "temperature", "cabin temperature", "inside", "temp"),
}
NAMES = {
    "time": "time",
    "volts": "bank voltage",
    "amps": "bank current",
    "soc": "state of charge",
    "solar": "solar power",
    "other": "other charging power",
    "load": "load power",
    "cabin": "cabin temperature",
}


class LogText(BaseModel):
    """The text of a log, which column is which, and whether a positive current charges the bank."""

    text: str = Field(max_length=MOST_CHARS)
    columns: dict[str, str] = {}
    positive: Literal["charges", "discharges"] | None = None


class LogRead(BaseModel):
    """What was understood: headings, the columns taken, what still has to be told, what was put right, and the span."""

    headings: list[str]
    columns: dict[str, str]
    asks: list[str]
    notes: list[str]
    lines: int
    first: str | None
    last: str | None


def _time(text: str) -> dt.datetime:
    t = text.strip()
    if t.replace(".", "", 1).isdigit() and float(t) > 1e8:
        when = dt.datetime.fromtimestamp(float(t) / (1000 if float(t) > 1e11 else 1), dt.UTC)
    else:
        when = dt.datetime.fromisoformat(t.replace("Z", "+00:00"))
    in_years(when)
    return when.replace(tzinfo=None)


def _table(given: LogText) -> tuple[list[str], list[list[str]], dict[str, str]]:
    text = given.text.removeprefix("\ufeff")
    if not text.strip():
        raise BadInput("file", says("empty-log-has-line"))
    rows = cells_of(text)
    headings = [c.strip() for c in rows[0]]
    if len(headings) < 2:
        raise BadInput("file", says("has-one-column-only"))
    columns = {k: v for k, v in given.columns.items() if v in headings and k in WORDS}
    for key, words in WORDS.items():
        if key not in given.columns:
            hit = next((h for h in headings if h not in columns.values() and h.lower().split("(")[0].split("[")[0].replace("_", " ").strip() in words), None)
            if hit is not None:
                columns[key] = hit
    return headings, rows[1:], columns


def _asks(columns: dict[str, str], positive: str | None) -> list[str]:
    asks = [] if "time" in columns else [says("column-time")]
    if "load" not in columns and not {"volts", "amps"} <= set(columns):
        asks.append(says("column-load-power-or"))
    if "load" not in columns and "amps" in columns and positive is None:
        asks.append(says("whether-positive-current-charges"))
    return asks


def understand(given: LogText) -> tuple[LogRead, Log | None]:
    """Read a log; None for it as long as something has to be told. Raises :class:`BadInput` where it is no log at all."""
    headings, rows, columns = _table(given)
    asks = _asks(columns, given.positive)
    if asks:
        return LogRead(headings=headings, columns=columns, asks=asks, notes=[], lines=len(rows), first=None, last=None), None
    at = {k: headings.index(v) for k, v in columns.items()}
    times: list[dt.datetime] = []
    values: dict[str, list[float]] = {k: [] for k in at if k != "time"}
    bad: list[int] = []
    for n, row in enumerate(rows, 2):
        try:
            times.append(_time(row[at["time"]]))
        except (ValueError, IndexError, OverflowError, OSError):
            bad.append(n)
            continue
        for k, out in values.items():
            out.append(number_of(row[at[k]]) if at[k] < len(row) else float("nan"))
    if not times:
        raise BadInput("file", says("has-no-line-with", rows=rows[0][at["time"]][:30] if rows else ""))
    notes = [says("lines-have-no-time", bad_count=len(bad), bad=bad[0])] if bad else []
    stamps = np.array(times, dtype="datetime64[s]")
    backward = int((np.diff(stamps) < np.timedelta64(0, "s")).sum())
    if backward:
        notes.append(says("times-go-backward-lines", backward=backward))
    twice = int(stamps.size - np.unique(stamps).size)
    if twice:
        notes.append(says("times-stand-twice-their", twice=twice))
    log = _by_hour(stamps, {k: np.array(v) for k, v in values.items()}, given.positive)
    gaps = float(np.isnan(log.load_w).mean())
    if gaps > 0.01:
        notes.append(says("hours-hold-no-load", gaps=gaps))
    span = LogRead(
        headings=headings,
        columns=columns,
        asks=[],
        notes=notes,
        lines=len(times),
        first=log.start.isoformat(timespec="minutes"),
        last=(log.start + dt.timedelta(hours=log.load_w.size)).isoformat(timespec="minutes"),
    )
    return span, log


def _by_hour(stamps: Array, x: dict[str, Array], positive: str | None) -> Log:
    first = stamps.min().astype("datetime64[h]")
    index = (stamps.astype("datetime64[h]") - first).astype(int)
    count = int(index.max()) + 1
    if count > MOST_HOURS:
        raise BadInput("file", says("spans-at-most-bring", count=count / 24, most_hours=MOST_HOURS // 24))

    def mean(values: Array | None) -> Array:
        out, seen = np.zeros(count), np.zeros(count)
        if values is not None:
            known = ~np.isnan(values)
            np.add.at(out, index[known], values[known])
            np.add.at(seen, index[known], 1.0)
        return np.where(seen > 0, out / np.maximum(seen, 1), np.nan)

    soc = mean(x.get("soc"))
    if np.nanmax(np.append(soc, 0)) > 1.5:
        soc = soc / 100
    solar, volts = mean(x.get("solar")), mean(x.get("volts"))
    if "load" in x:
        load = mean(x["load"])
    else:
        into = mean(x["volts"] * x["amps"]) * (1 if positive == "charges" else -1)
        load = np.nan_to_num(solar) + np.nan_to_num(mean(x.get("other"))) - into
    start: dt.datetime = first.astype("datetime64[s]").astype(dt.datetime)
    return Log(start, volts, np.clip(soc, 0, 1), load, solar, mean(x.get("cabin")))
