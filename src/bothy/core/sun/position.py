"""The sun's exact place, and a cloudless day, both by the library's algorithms (method trips.sun-position)."""

from __future__ import annotations

import datetime as dt
import math
from typing import Any, Self

import numpy as np
from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method, Standard
from bothy.core.sun.geometry import SOLAR_CONSTANT_W_M2, season_of
from bothy.core.sun.plane import HEADINGS_DEG, SkyModel, incidence, onto
from bothy.core.words.says import sun_says as says

NREL = Method("trips.sun-position", "solar position algorithm (NREL), by pvlib")


class SunPositionIn(Contract):
    time_utc: str = Field(min_length=10, max_length=40)
    lat_deg: float = Field(ge=-90, le=90)
    lon_deg: float = Field(ge=-180, le=180)
    elevation_m: float = Field(0, ge=-430, le=6000)
    tilt_deg: float = Field(0, ge=0, le=90)
    azimuth_deg: float = Field(180, ge=0, le=360)

    @model_validator(mode="after")
    def _time(self) -> Self:
        self.moment  # noqa: B018
        return self

    @property
    def moment(self) -> dt.datetime:
        """The time in UTC."""
        try:
            t = dt.datetime.fromisoformat(self.time_utc.replace("Z", "+00:00"))
        except ValueError:
            raise wrong("time_utc", says("not-time-write-for")) from None
        if t.tzinfo is None:
            raise wrong("time_utc", says("has-no-zone-end"))
        try:
            t = t.astimezone(dt.UTC)
        except OverflowError:
            raise wrong("time_utc", says("must-lie-in-years")) from None
        if not 1900 <= t.year <= 2100:
            raise wrong("time_utc", says("must-lie-in-years"))
        return t


class SunPositionOut(Outcome):
    sun_elevation_deg: float
    sun_apparent_elevation_deg: float
    sun_azimuth_deg: float
    equation_of_time_min: float
    solar_time_h: float
    extraterrestrial_w_m2: float
    air_mass: float | None
    aoi_deg: float


def _solar(times: Any, lat: float, lon: float, elevation_m: float) -> tuple[Any, float]:
    import pvlib

    pressure = float(pvlib.atmosphere.alt2pres(elevation_m))
    return pvlib.solarposition.get_solarposition(times, lat, lon, altitude=elevation_m, pressure=pressure, temperature=12, method="nrel_numpy"), pressure


def sun_position(inp: SunPositionIn, sources: dict[str, Figure] | None = None) -> SunPositionOut:
    """Elevation and azimuth of the sun, solar time, air mass and the angle on a plane. Method: trips.sun-position."""
    import pandas as pd
    import pvlib

    g = Given(inp, sources)
    moment = inp.moment
    found, _ = _solar(pd.DatetimeIndex([moment]), inp.lat_deg, inp.lon_deg, inp.elevation_m)
    row = found.iloc[0]
    place = {"lat_deg": g("lat_deg"), "lon_deg": g("lon_deg")}
    elevation, azimuth = float(row["elevation"]), float(row["azimuth"])
    hours = moment.hour + moment.minute / 60 + (moment.second + moment.microsecond / 1e6) / 3600
    eot = derived("equation_of_time_min", says("year"), float(row["equation_of_time"]), NREL)
    air = float(pvlib.atmosphere.get_relative_airmass(float(row["apparent_zenith"]), "kastenyoung1989"))
    day = moment.timetuple().tm_yday
    cos_z, sun_az = np.array([math.sin(math.radians(elevation))]), np.array([math.radians(azimuth)])
    tilt = math.radians(inp.tilt_deg)
    c = float(cos_z[0] * math.cos(tilt) + math.sqrt(max(0.0, 1 - cos_z[0] ** 2)) * math.sin(tilt) * math.cos(sun_az[0] - math.radians(inp.azimuth_deg)))
    return SunPositionOut.of(
        sun_elevation_deg=derived("sun_elevation_deg", says("true-without-refraction"), elevation, NREL, **place),
        sun_apparent_elevation_deg=derived("sun_apparent_elevation_deg", says("as-seen-lifted-by"), float(row["apparent_elevation"]), NREL, **place),
        sun_azimuth_deg=derived("sun_azimuth_deg", says("clockwise-from-north"), azimuth, NREL, **place),
        equation_of_time_min=eot,
        solar_time_h=derived(
            "solar_time_h",
            says("utc-eot-mod"),
            (hours + inp.lon_deg / 15 + eot.value / 60) % 24,
            Method("trips.sun-position", "definition"),
            utc_h=hours,
            lon_deg=g("lon_deg"),
            equation_of_time_min=eot,
        ),
        extraterrestrial_w_m2=derived(
            "extraterrestrial_w_m2", "1361·E₀", SOLAR_CONSTANT_W_M2 * season_of(day).e0, Method("trips.sun-position") + Standard("Spencer 1971"), day_count=day
        ),
        air_mass=None
        if math.isnan(air)
        else derived("air_mass", says("relative-kasten-and-young"), air, Method("trips.sun-position") + Standard("Kasten and Young 1989")),
        aoi_deg=derived(
            "aoi_deg",
            "arccos(cos z·cos β + sin z·sin β·cos(az − γ))",
            math.degrees(math.acos(min(1.0, max(-1.0, c)))),
            Method("trips.sun-position", "geometry"),
            tilt_deg=g("tilt_deg"),
            azimuth_deg=g("azimuth_deg"),
        ),
    )


class ClearSkyDayIn(Contract):
    date: str = Field(min_length=10, max_length=10)
    lat_deg: float = Field(ge=-90, le=90)
    lon_deg: float = Field(ge=-180, le=180)
    elevation_m: float = Field(0, ge=-430, le=6000)
    linke_turbidity: float = Field(3, ge=1, le=10)
    tilt_deg: float = Field(0, ge=0, le=90)
    azimuth_deg: float | None = Field(None, ge=0, le=360)
    albedo_frac: float = Field(0.2, ge=0, le=1)
    sky_model: SkyModel = "hay_davies"

    @model_validator(mode="after")
    def _date(self) -> Self:
        self.day  # noqa: B018
        return self

    @property
    def day(self) -> dt.date:
        """The date."""
        return date_of("date", self.date)


def date_of(key: str, text: str) -> dt.date:
    """A date written as 2026-06-21. Raises an error that names the key."""
    try:
        found = dt.date.fromisoformat(text)
    except ValueError:
        raise wrong(key, says("not-date-write-for")) from None
    if not 1900 <= found.year <= 2100:
        raise wrong(key, says("must-lie-in-years"))
    return found


class ClearSkyDayOut(Outcome):
    ghi_kwh_m2: float
    dhi_kwh_m2: float
    dni_kwh_m2: float
    poa_kwh_m2: float
    peak_ghi_w_m2: float
    extraterrestrial_kwh_m2: float
    clearness_frac: float | None


def clear_sky_day(inp: ClearSkyDayIn, sources: dict[str, Figure] | None = None) -> ClearSkyDayOut:
    """Light of a cloudless day, in steps of a quarter of an hour over the local solar day. Method: trips.clear-sky."""
    import pandas as pd
    import pvlib

    g = Given(inp, sources)
    start = pd.Timestamp(inp.day, tz="UTC") - pd.Timedelta(hours=inp.lon_deg / 15) + pd.Timedelta(minutes=7.5)
    times = pd.DatetimeIndex([start + pd.Timedelta(minutes=15 * i) for i in range(96)])
    sun, pressure = _solar(times, inp.lat_deg, inp.lon_deg, inp.elevation_m)
    g0n = np.array([SOLAR_CONSTANT_W_M2 * season_of(int(n)).e0 for n in times.day_of_year])
    zenith = sun["apparent_zenith"].to_numpy()
    air = pvlib.atmosphere.get_absolute_airmass(pvlib.atmosphere.get_relative_airmass(sun["apparent_zenith"]), pressure)
    sky = pvlib.clearsky.ineichen(sun["apparent_zenith"], air, inp.linke_turbidity, altitude=inp.elevation_m, dni_extra=pd.Series(g0n, index=times))
    ghi, dhi, dni = (np.nan_to_num(sky[k].to_numpy(), nan=0.0) for k in ("ghi", "dhi", "dni"))
    cos_z, azimuth = np.cos(np.radians(zenith)), np.radians(sun["azimuth"].to_numpy())
    lit = (ghi > 0) & (cos_z > 0)
    poa = np.zeros(96)
    facing = HEADINGS_DEG if inp.azimuth_deg is None else (inp.azimuth_deg,)
    for heading in facing:
        cos_i = incidence(cos_z, azimuth, inp.tilt_deg, heading)
        ring = dni / g0n if inp.sky_model == "hay_davies" else np.zeros(96)
        beam = dni * cos_i + dhi * ring * cos_i / np.maximum(cos_z, 0.01745)
        even = onto(ghi, dhi, dni, 1.0, cos_z, cos_i, inp.tilt_deg, inp.albedo_frac, "isotropic")
        poa += np.where(lit, beam + even.sky * (1 - ring) + even.ground, 0.0) / len(facing)
    outside = float(np.sum(g0n * np.maximum(0.0, cos_z)) * 0.25 / 1000)
    source = Method("trips.clear-sky", "Ineichen and Perez, by pvlib; 96 quarter hours")
    haze = {"linke_turbidity": g("linke_turbidity"), "elevation_m": g("elevation_m")}
    global_ = derived("ghi_kwh_m2", "Σ GHI·0.25 h", float(ghi.sum()) * 0.25 / 1000, source, **haze)
    extra = derived("extraterrestrial_kwh_m2", "Σ G₀·cos z·0.25 h", outside, Method("trips.clear-sky", "geometry"))
    return ClearSkyDayOut.of(
        ghi_kwh_m2=global_,
        dhi_kwh_m2=derived("dhi_kwh_m2", "Σ DHI·0.25 h", float(dhi.sum()) * 0.25 / 1000, source, **haze),
        dni_kwh_m2=derived("dni_kwh_m2", "Σ DNI·0.25 h", float(dni.sum()) * 0.25 / 1000, source, **haze),
        poa_kwh_m2=derived(
            "poa_kwh_m2",
            "Σ light on the plane·0.25 h",
            float(poa.sum()) * 0.25 / 1000,
            Method("trips.tilted", inp.sky_model.replace("_", " ")),
            tilt_deg=g("tilt_deg"),
            albedo_frac=g("albedo_frac"),
        ),
        peak_ghi_w_m2=derived("peak_ghi_w_m2", says("largest"), float(ghi.max()), source),
        extraterrestrial_kwh_m2=extra,
        clearness_frac=derived(
            "clearness_frac", "GHI/H₀", global_.value / outside, Method("trips.clear-sky", "definition"), ghi_kwh_m2=global_, extraterrestrial_kwh_m2=extra
        )
        if outside >= 1e-9
        else None,
    )
