"""Climates of places: monthly normals, a typed reader over data/climates.csv (approximate; method trips.climate)."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache

from bothy.core.catalogue.table import Row, rows, shipped
from bothy.core.contract import BadInput
from bothy.core.words.says import catalogue_says as says

MONTHS = (
    says("january"),
    says("february"),
    says("march"),
    says("april"),
    says("may"),
    says("june"),
    says("july"),
    says("august"),
    says("september"),
    says("october"),
    says("november"),
    says("december"),
)


@dataclass(frozen=True, slots=True)
class Climate:
    """One place: degrees north and east, m above the sea, standard time as hours from UTC.

    Irradiation in kWh/m² and day on the flat, temperatures in °C, relative humidity; twelve values each. How much a day is like the one before, and
    the spread of daily mean temperature in K, where they were fitted to a weather file; None for usual values.
    """

    place: str
    name: str
    country: str
    lat_deg: float
    lon_deg: float
    elevation_m: float
    utc_offset_h: float
    ghi_kwh_m2_day: tuple[float, ...]
    tmin_c: tuple[float, ...]
    tmax_c: tuple[float, ...]
    rh_frac: tuple[float, ...]
    quality: str
    kt_autocorr: float | None = None
    temp_autocorr: float | None = None
    spread_k: float | None = None

    def season(self, month: int) -> str:
        """winter, shoulder or summer of a month 1..12 (turned round south of the equator)."""
        m = month if self.lat_deg >= 0 else (month + 5) % 12 + 1
        return "winter" if m in (11, 12, 1, 2) else "summer" if m in (5, 6, 7, 8) else "shoulder"


def _twelve(row: Row, stem: str) -> tuple[float, ...]:
    return tuple(row.number(f"{stem}_{m:02d}") for m in range(1, 13))


def read_climates(lines: Iterable[str]) -> dict[str, Climate]:
    """Places by key from the lines of a table. Raises BadCatalogue for a row that is none."""
    out = {}
    for r in rows("climates.csv", lines, "place"):
        out[r.text("place")] = Climate(
            r.text("place"),
            r.text("name"),
            r.text("country"),
            r.number("lat_deg"),
            r.number("lon_deg"),
            r.number("elevation_m"),
            r.number("utc_offset_h"),
            _twelve(r, "ghi_kwh_m2_day"),
            _twelve(r, "tmin_c"),
            _twelve(r, "tmax_c"),
            _twelve(r, "rh_frac"),
            r.text("quality"),
        )
    return out


@cache
def climates() -> dict[str, Climate]:
    """All places by key."""
    return read_climates(shipped("climates.csv"))


def climate(place: str) -> Climate:
    """One place. Raises :class:`BadInput` when it is not in the table."""
    found = climates().get(place)
    if found is None:
        raise BadInput("place", says("not-place-in-climate", place=place))
    return found
