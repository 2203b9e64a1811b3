"""Stage 4, Trips: where the vehicle goes, when, and how the run is made."""

from __future__ import annotations

import datetime as dt
from typing import Annotated, Literal, Self

from pydantic import Field, StringConstraints, model_validator

from bothy.core.contract import Whole, wrong
from bothy.core.design.base import By, Doc, Id, Name, Note
from bothy.core.words.says import design_says as says

DayType = Literal["parked", "driving", "working"]
Refill = Literal["water", "grey_dump", "toilet_dump", "gas", "diesel"]
PlaceKey = Annotated[str, StringConstraints(pattern=r"^[a-z0-9_]{1,40}$")]
Sun = Annotated[float, Field(ge=0, le=15)]
Celsius = Annotated[float, Field(ge=-70, le=60)]
Part = Annotated[float, Field(ge=0, le=1)]
Twelve = Field(min_length=12, max_length=12)
MOST_DAYS = 366
FIRST_YEAR, LAST_YEAR = 1990, 2100


class Leg(Doc):
    """Days at one place. Driving to it, where there is any, is on its first day (and again later that day), or on each of them with ``drive_daily``;
    a hook-up, or the generator's hours, hold for all of them."""

    id: Id
    place: PlaceKey
    days_count: Whole = Field(1, ge=1, le=MOST_DAYS)
    drive_start_h: float = Field(9, ge=0, le=24)
    drive_h: float = Field(0, ge=0, le=24)
    again_start_h: float = Field(15, ge=0, le=24)
    again_h: float = Field(0, ge=0, le=24)
    drive_daily: bool = False
    shore: bool = False
    persons: Whole | None = Field(None, ge=0, le=20)
    day_type: DayType = "parked"
    generator_h: float = Field(0, ge=0, le=24)
    generator_start_h: float = Field(10, ge=0, le=24)
    heading_deg: float | None = Field(None, ge=0, le=360)
    clearness: float | None = Field(None, ge=0, le=0.85)
    refills: list[Refill] = Field([], max_length=5)
    refill_h: float = Field(9, ge=0, lt=24)
    by: By = "typed"
    note: Note = ""

    @model_validator(mode="after")
    def _evening(self) -> Self:
        if self.drive_start_h + self.drive_h > 24:
            raise wrong("drive_h", says("ends-after-midnight-put"))
        if self.again_h > 0 and self.again_start_h + self.again_h > 24:
            raise wrong("again_h", says("ends-after-midnight-put"))
        if self.again_h > 0 and self.again_start_h < self.drive_start_h + self.drive_h:
            raise wrong("again_start_h", says("lies-in-first-drive", drive_start_h=self.drive_start_h + self.drive_h))
        if self.generator_start_h + self.generator_h > 24:
            raise wrong("generator_h", says("ends-after-midnight-begin"))
        return self

    def drives_on(self, day: int) -> bool:
        """Whether it is driven on its day of that number, from 0."""
        return self.drive_h + self.again_h > 0 and (day == 0 or self.drive_daily)


A_YEAR = 365
OfAYear = Field(min_length=A_YEAR, max_length=A_YEAR)


class FileYear(Doc):
    """A whole year of a weather file by day, without a leap day: clearness of each, its lowest and highest temperature in °C."""

    year: Whole = Field(ge=1900, le=2200)
    clearness: Annotated[list[Part], OfAYear]
    tmin_c: Annotated[list[Celsius], OfAYear]
    tmax_c: Annotated[list[Celsius], OfAYear]


class FileWeather(Doc):
    """What a weather file says of a place: twelve monthly means, how alike neighbouring days are, and the spread of daily mean temperature; of a file
    of several years, those years."""

    source: Annotated[str, Field(max_length=200)]
    day_count: Whole = Field(ge=28, le=36525)
    ghi_kwh_m2_day: Annotated[list[Sun], Twelve]
    tmin_c: Annotated[list[Celsius], Twelve]
    tmax_c: Annotated[list[Celsius], Twelve]
    rh_frac: Annotated[list[Part], Twelve]
    kt_autocorr: float = Field(ge=0, le=0.95)
    temp_autocorr: float = Field(ge=0, le=0.95)
    spread_k: float = Field(ge=0, le=15)
    years: list[FileYear] = Field([], max_length=30)


class OwnPlace(Doc):
    """A place of the person's own: degrees north and east, m above the sea, standard time from UTC. Its weather is a file's, or that of the nearest
    place of the table."""

    id: PlaceKey
    name: Name
    lat_deg: float = Field(ge=-72, le=72)
    lon_deg: float = Field(ge=-180, le=180)
    elevation_m: float | None = Field(None, ge=-450, le=5500)
    utc_offset_h: float | None = Field(None, ge=-12, le=14)
    weather: FileWeather | None = None


class Schools(Doc):
    """How the run is made where schools differ (method trips.run): weather drawn or the files' own years; how alike neighbouring days are; which source goes
    first; DC-DC only under a charge; loads shed in tiers; what the ground reflects; whether times are in summer time."""

    weather_source: Literal["drawn", "replay"] = "drawn"
    kt_autocorr: float | None = Field(None, ge=0, le=0.95)
    source_order: Literal["sun_first", "hookup_first"] = "sun_first"
    dcdc_below_frac: float | None = Field(None, ge=0.01, le=1)
    shed: Literal["tiers", "none"] = "tiers"
    albedo_frac: float = Field(0.2, ge=0, le=1)
    summer_time: bool = False


class LiveThere(Doc):
    """No plan, just living at one place: working days of each week, and every how many days there is a hook-up or a drive."""

    place: PlaceKey
    days_count: Whole = Field(365, ge=1, le=MOST_DAYS)
    working_days_count: Whole = Field(5, ge=0, le=7)
    hookup_every_d: Whole | None = Field(None, ge=1, le=MOST_DAYS)
    drive_every_d: Whole | None = Field(None, ge=1, le=MOST_DAYS)
    drive_h: float = Field(1, ge=0, le=15)


class Trips(Doc):
    """The itinerary, one leg after the other from ``start_date`` on, and how many weathers it is run through; or living at one place instead.

    ``snow`` lets it lie on the panels; somebody clears it at ``snow_cleared_h``, or nobody does.
    """

    start_date: str | None = Field(None, max_length=10)
    legs: list[Leg] = Field([], max_length=MOST_DAYS)
    live: LiveThere | None = None
    places: list[OwnPlace] = Field([], max_length=60)
    soc_start_frac: float = Field(1, ge=0, le=1)
    draw_count: Whole = Field(50, ge=1, le=1000)
    seed: Whole = Field(1, ge=0, le=2**31)
    short_days_frac: float = Field(0.02, ge=0, le=1)
    forecast: bool = False
    snow: bool = False
    snow_cleared_h: float | None = Field(None, ge=0, lt=24)
    schools: Schools = Schools()

    @model_validator(mode="after")
    def _dates(self) -> Self:
        if self.start_date is not None:
            try:
                first = dt.date.fromisoformat(self.start_date)
            except ValueError:
                raise wrong("start_date", says("not-date-write-for")) from None
            if not FIRST_YEAR <= first.year <= LAST_YEAR:
                raise wrong("start_date", says("must-lie-in-years", first_year=FIRST_YEAR, last_year=LAST_YEAR))
        whole = sum(x.days_count for x in self.legs)
        if whole > MOST_DAYS:
            raise wrong("legs", says("make-most", whole=whole, most_days=MOST_DAYS))
        return self
