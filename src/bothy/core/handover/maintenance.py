"""What is due: by months, kilometres and what was used, whichever comes first (method handover.maintenance)."""

from __future__ import annotations

import calendar
import datetime as dt
import math
from typing import Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.build.buying import day_of
from bothy.core.contract import Contract, Outcome, Whole, unique_ids, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.choices import word_of
from bothy.core.words.says import handover_says as says

DUE = Method("handover.maintenance")
Status = Literal["never_done", "overdue", "soon", "ok"]
Limiting = Literal["time", "distance", "count"]


class Due(NamedTuple):
    """When an item is due: its day, what remains of each interval, and the day that is predicted."""

    due: dt.date | None
    days: int | None
    km: float | None
    used: float | None
    status: Status
    limiting: Limiting | None
    predicted: dt.date | None


def months_later(day: dt.date, months: int) -> dt.date:
    """A day so many months later, clipped to the end of the month."""
    at = day.year * 12 + day.month - 1 + months
    year, month = divmod(at, 12)
    return dt.date(year, month + 1, min(day.day, calendar.monthrange(year, month + 1)[1]))


def due(
    today: dt.date,
    last: dt.date | None,
    months: int | None,
    km: tuple[float, float, float, float] | None = None,
    count: tuple[float, float, float, float] | None = None,
    soon_days: int = 30,
    soon_frac: float = 0.1,
) -> Due:
    """When an item is due. ``km`` and ``count``: interval, last, now and the use of a day."""
    if last is None:
        return Due(None, None, None, None, "never_done", None, today)
    day = None if months is None else months_later(last, months)
    left = {k: None if x is None else x[1] + x[0] - x[2] for k, x in (("km", km), ("count", count))}
    rate = {k: 0.0 if x is None else x[3] for k, x in (("km", km), ("count", count))}
    days = None if day is None else (day - today).days
    predicted: list[tuple[dt.date, int, Limiting]] = []
    if day is not None:
        predicted.append((day, 0, "time"))
    for n, (k, word) in enumerate((("km", "distance"), ("count", "count")), 1):
        rest = left[k]
        if rest is None:
            continue
        if rest <= 0:
            predicted.append((today, n, word))  # type: ignore[arg-type]
        elif rate[k] > 0:
            predicted.append((today + dt.timedelta(days=math.ceil(rest / rate[k] - 1e-9)), n, word))  # type: ignore[arg-type]
    first = min(predicted, default=None)
    over = any(x is not None and x < 0 for x in (days, left["km"], left["count"]))
    soon = (days is not None and days <= soon_days) or any(
        x is not None and r is not None and r <= soon_frac * x[0] for x, r in ((km, left["km"]), (count, left["count"]))
    )
    status: Status = "overdue" if over else "soon" if soon else "ok"
    return Due(day, days, left["km"], left["count"], status, first[2] if first else None, first[0] if first else None)


class ItemIn(Contract):
    id: str = Field(min_length=1, max_length=200)
    interval_months: Whole | None = Field(None, ge=1, le=1200)
    interval_km: float | None = Field(None, gt=0, le=1e7)
    interval_count: float | None = Field(None, gt=0, le=1e9)
    last_date: str | None = Field(None, min_length=10, max_length=10)
    last_km: float | None = Field(None, ge=0, le=1e7)
    last_count: float = Field(0, ge=0, le=1e9)
    now_count: float | None = Field(None, ge=0, le=1e9)
    count_per_day: float = Field(0, ge=0, le=1e6)

    @model_validator(mode="after")
    def _some(self) -> Self:
        if self.interval_months is None and self.interval_km is None and self.interval_count is None:
            raise wrong("interval_months", says("give-interval-months-interval"))
        if self.interval_km is not None and self.last_date is not None and self.last_km is None:
            raise wrong("last_km", says("required-beside-interval-odometer"))
        if self.interval_count is not None and self.last_date is not None and self.now_count is None:
            raise wrong("now_count", says("required-beside-interval-count"))
        if self.last_date is not None:
            day_of(self.last_date, "last_date")
        return self


class MaintenanceDueIn(Contract):
    today: str = Field(min_length=10, max_length=10)
    odometer_km: float | None = Field(None, ge=0, le=1e7)
    km_per_day: float = Field(0, ge=0, le=5000)
    soon_days: Whole = Field(30, ge=0, le=3650)
    soon_frac: float = Field(0.1, ge=0, le=1)
    items: list[ItemIn] = Field(min_length=1, max_length=500)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        day_of(self.today, "today")
        unique_ids(x.id for x in self.items)
        if self.odometer_km is None and any(x.interval_km is not None and x.last_date is not None for x in self.items):
            raise wrong("odometer_km", says("required-where-item-has"))
        return self


class ItemOut(BaseModel):
    id: str
    due_date: str | None
    remaining_days: int | None
    remaining_km: float | None
    remaining_count: float | None
    status: Status
    limiting: Limiting | None
    predicted_date: str | None


class MaintenanceDueOut(Outcome):
    items: list[ItemOut]
    next_id: str | None
    counts: dict[str, int]
    open_count: int


def maintenance_due(inp: MaintenanceDueIn, sources: dict[str, Figure] | None = None) -> MaintenanceDueOut:
    """What is due when. Method: handover.maintenance."""
    today, out, best = day_of(inp.today, "today"), [], None
    for n, x in enumerate(inp.items):
        km = None if x.interval_km is None or x.last_km is None or inp.odometer_km is None else (x.interval_km, x.last_km, inp.odometer_km, inp.km_per_day)
        count = None if x.interval_count is None or x.now_count is None else (x.interval_count, x.last_count, x.now_count, x.count_per_day)
        last = None if x.last_date is None else day_of(x.last_date, "last_date")
        d = due(today, last, x.interval_months, km, count, inp.soon_days, inp.soon_frac)
        out.append(
            ItemOut(
                id=x.id,
                due_date=d.due.isoformat() if d.due else None,
                remaining_days=d.days,
                remaining_km=d.km,
                remaining_count=d.used,
                status=d.status,
                limiting=d.limiting,
                predicted_date=d.predicted.isoformat() if d.predicted else None,
            )
        )
        if d.predicted is not None and (best is None or (d.predicted, n) < best[:2]):
            best = (d.predicted, n, x.id)
    counts = {s: sum(x.status == s for x in out) for s in ("never_done", "overdue", "soon", "ok")}
    pressing = counts["never_done"] + counts["overdue"] + counts["soon"]
    return MaintenanceDueOut.of(
        items=out,
        next_id=best[2] if best else None,
        counts={k: derived("counts", says("items-that", replace=word_of(k)), v, DUE, item_count=len(out)) for k, v in counts.items()},
        open_count=derived("open_count", says("never-done-overdue-and"), pressing, DUE, item_count=len(out)),
    )
