"""A process of its own that stands in for a weather service: the same made-up week for everybody, from the weather generator and today's date.

``./bothy forecast`` starts it on loopback. A real service with the same one address may take its place.
"""

from __future__ import annotations

import datetime as dt

from fastapi import FastAPI, Query
from pydantic import BaseModel, Field

from bothy.core.catalogue.climates import MONTHS
from bothy.core.places import nearest
from bothy.core.sun.draws import WeatherDrawIn, weather_draw
from bothy.core.words.says import forecast_says as says

MOST_DAYS = 10
PORT = 8091


class ForecastDay(BaseModel):
    """One day at a place: its clearness (part of the light outside the atmosphere that arrives), the air's extremes in °C, and how likely rain is (None:
    not said)."""

    date: dt.date
    clearness: float = Field(ge=0, le=1, allow_inf_nan=False)
    tmin_c: float = Field(ge=-70, le=60, allow_inf_nan=False)
    tmax_c: float = Field(ge=-70, le=60, allow_inf_nan=False)
    rain_frac: float | None = Field(None, ge=0, le=1, allow_inf_nan=False)


class Forecast(BaseModel):
    """Days in a row from one on, and who says so."""

    source: str = Field(max_length=200)
    days: list[ForecastDay] = Field(max_length=40)


def week(lat_deg: float, lon_deg: float, first: dt.date, days: int) -> Forecast:
    """A made-up forecast: the days that the generator draws for that place with the first day's number as seed."""
    c, _ = nearest(lat_deg, lon_deg)
    drawn = weather_draw(WeatherDrawIn(place=c.place, month=first.month, days=days, seed=first.toordinal()))
    made = [
        ForecastDay(
            rain_frac=round(min(0.95, max(0.02, 1.2 - 2.4 * drawn.kt_frac[i])), 2),
            date=first + dt.timedelta(days=i),
            clearness=round(drawn.kt_frac[i], 3),
            tmin_c=round(drawn.tmin_c[i], 1),
            tmax_c=round(drawn.tmax_c[i], 1),
        )
        for i in range(days)
    ]
    return Forecast(source=says("stand-in-made-up", c_name=c.name, months=MONTHS[first.month - 1]), days=made)


app = FastAPI(title="A stand-in for a weather service", docs_url=None, redoc_url=None)


@app.get("/forecast")
def forecast(
    lat_deg: float = Query(ge=-72, le=72), lon_deg: float = Query(ge=-180, le=180), first: dt.date = Query(), days: int = Query(7, ge=1, le=MOST_DAYS)
) -> Forecast:
    """The forecast of a place from a day on."""
    return week(lat_deg, lon_deg, first, days)
