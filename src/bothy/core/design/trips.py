"""Stage 4, Trips: where the vehicle goes, when, and how the run is made."""

from __future__ import annotations

import datetime as dt
from typing import Annotated, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from bothy.core.contract import Whole, wrong
from bothy.core.design.base import By, Doc, Id, Note

DayType = Literal["parked", "driving", "working"]
MOST_DAYS = 366
FIRST_YEAR, LAST_YEAR = 1990, 2100


class Leg(Doc):
    """Days at one place. Driving to it, where there is any, is on its first day; a hook-up holds for all of them."""

    id: Id
    place: Annotated[str, StringConstraints(pattern=r"^[a-z0-9_]{1,40}$")]
    days_count: Whole = Field(1, ge=1, le=MOST_DAYS)
    drive_start_h: float = Field(9, ge=0, le=24)
    drive_h: float = Field(0, ge=0, le=24)
    shore: bool = False
    persons: Whole | None = Field(None, ge=0, le=20)
    day_type: DayType = "parked"
    heading_deg: float | None = Field(None, ge=0, le=360)
    clearness: float | None = Field(None, ge=0, le=0.85)
    by: By = "typed"
    note: Note = ""

    @model_validator(mode="after")
    def _evening(self) -> Self:
        if self.drive_start_h + self.drive_h > 24:
            raise wrong("drive_h", "ends after midnight; put the rest of the drive on the next leg")
        return self


class Trips(Doc):
    """The itinerary, one leg after the other from ``start_date`` on, and how many weathers it is run through."""

    start_date: str | None = Field(None, max_length=10)
    legs: list[Leg] = Field([], max_length=MOST_DAYS)
    soc_start_frac: float = Field(1, ge=0, le=1)
    draw_count: Whole = Field(50, ge=1, le=1000)
    seed: Whole = Field(1, ge=0, le=2**31)
    short_days_frac: float = Field(0.02, ge=0, le=1)

    @model_validator(mode="after")
    def _dates(self) -> Self:
        if self.start_date is not None:
            try:
                first = dt.date.fromisoformat(self.start_date)
            except ValueError:
                raise wrong("start_date", "is not a date; write for example 2026-10-01") from None
            if not FIRST_YEAR <= first.year <= LAST_YEAR:
                raise wrong("start_date", f"must lie in the years {FIRST_YEAR} to {LAST_YEAR}")
        whole = sum(x.days_count for x in self.legs)
        if whole > MOST_DAYS:
            raise wrong("legs", f"make {whole} days; {MOST_DAYS} are the most")
        return self
