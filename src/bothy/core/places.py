"""Where a design goes: places of the table and the person's own, with their climates, and the months spent at each.

method trips.weather-files.
"""

from __future__ import annotations

import datetime as dt
import math
from dataclasses import replace
from typing import NamedTuple

from bothy.core.catalogue.climates import Climate, climates
from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.design.trips import Leg, LiveThere, OwnPlace
from bothy.core.words.says import core_says as says

EARTH_KM = 6371.0088
LAPSE_K_M = -0.0065


def apart_km(a: tuple[float, float], b: tuple[float, float]) -> float:
    """Great circle between two (lat, lon) in degrees, by haversine."""
    p, q = math.radians(a[0]), math.radians(b[0])
    h = math.sin((q - p) / 2) ** 2 + math.cos(p) * math.cos(q) * math.sin(math.radians(b[1] - a[1]) / 2) ** 2
    return 2 * EARTH_KM * math.asin(min(1.0, math.sqrt(h)))


def nearest(lat_deg: float, lon_deg: float) -> tuple[Climate, float]:
    """The nearest place of the table, and how far it is in km."""
    return min(((c, apart_km((lat_deg, lon_deg), (c.lat_deg, c.lon_deg))) for c in climates().values()), key=lambda x: x[1])


def climate_of(p: OwnPlace) -> Climate:
    """The climate of a place of the person's own: of its file, or of the nearest place of the table, with temperatures for its height."""
    near, _ = nearest(p.lat_deg, p.lon_deg)
    height = near.elevation_m if p.elevation_m is None else p.elevation_m
    offset = p.utc_offset_h if p.utc_offset_h is not None else near.utc_offset_h if near.lon_deg * p.lon_deg >= 0 else float(round(p.lon_deg / 15))
    here = replace(near, place=p.id, name=p.name, lat_deg=p.lat_deg, lon_deg=p.lon_deg, elevation_m=height, utc_offset_h=offset)
    w = p.weather
    if w is None:
        cooler = LAPSE_K_M * (height - near.elevation_m)
        return replace(
            here,
            tmin_c=tuple(t + cooler for t in near.tmin_c),
            tmax_c=tuple(t + cooler for t in near.tmax_c),
            quality=f"of {near.name}, the nearest place of the table",
        )
    return replace(
        here,
        ghi_kwh_m2_day=tuple(w.ghi_kwh_m2_day),
        tmin_c=tuple(w.tmin_c),
        tmax_c=tuple(w.tmax_c),
        rh_frac=tuple(w.rh_frac),
        quality=w.source,
        kt_autocorr=w.kt_autocorr,
        temp_autocorr=w.temp_autocorr,
        spread_k=w.spread_k,
    )


def places_of(design: Design) -> dict[str, Climate]:
    """All places that a design may name: those of the table and the person's own, which come first."""
    own = {p.id: climate_of(p) for p in design.trips.places}
    return climates() | own


def place_of(design: Design, key: str) -> Climate:
    """One place. Raises :class:`BadInput` when it is neither in the table nor one of the person's own."""
    own = next((p for p in design.trips.places if p.id == key), None)
    if own is not None:
        return climate_of(own)
    found = climates().get(key)
    if found is None:
        raise BadInput("place", says("not-place-in-climate", key=key))
    return found


def _living(live: LiveThere) -> list[Leg]:
    """One leg a day, so that hook-ups, drives and working days fall where they do; the week begins with its working days."""
    out = []
    for n in range(live.days_count):
        hooked = live.hookup_every_d is not None and (n + 1) % live.hookup_every_d == 0
        drives = live.drive_every_d is not None and (n + 1) % live.drive_every_d == 0
        out.append(
            Leg(
                id=f"day-{n + 1}",
                place=live.place,
                drive_h=min(live.drive_h, 15.0) if drives else 0.0,
                shore=hooked,
                day_type="working" if n % 7 < live.working_days_count else "parked",
            )
        )
    return out


def legs_of(design: Design) -> list[Leg]:
    """The legs that are run: those of the itinerary, or a day each of living at one place."""
    t = design.trips
    return _living(t.live) if t.live is not None else t.legs


class Stay(NamedTuple):
    """A place of the trip, and the months 1 to 12 in which the trip is there."""

    climate: Climate
    months: frozenset[int]


def stays_of(design: Design) -> list[Stay]:
    """The places of the trip with their months, each place once; without a first day no month is known, and Life's place stands alone."""
    t = design.trips
    if t.start_date is None or (not t.legs and t.live is None):
        return []
    day = dt.date.fromisoformat(t.start_date)
    spans = [(t.live.place, t.live.days_count)] if t.live is not None else [(leg.place, leg.days_count) for leg in t.legs]
    months: dict[str, set[int]] = {}
    for place, days in spans:
        last = day + dt.timedelta(days=days - 1)
        at = months.setdefault(place, set())
        while day <= last:
            at.add(day.month)
            day = min(last, dt.date(day.year + day.month // 12, day.month % 12 + 1, 1) - dt.timedelta(days=1)) + dt.timedelta(days=1)
    return [Stay(place_of(design, key), frozenset(found)) for key, found in months.items()]
