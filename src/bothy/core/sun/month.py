"""A month as twenty days: peak sun hours, and what a panel gives on each of them (method trips.month)."""

from __future__ import annotations

import math
from typing import Annotated, Literal, NamedTuple, Self

import numpy as np
from pydantic import BeforeValidator, Field, model_validator

from bothy.core.catalogue.climates import climates
from bothy.core.contract import Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, given
from bothy.core.method.sources import Method
from bothy.core.sun.clearness import DARK_KWH_M2, Clearness, distribution, light_of, month_clearness
from bothy.core.sun.geometry import MEAN_DAY, Array, day_length, extraterrestrial_day, midpoints, season_of, sun_at
from bothy.core.sun.plane import HEADINGS_DEG, Module, Plane, cell_temp, incidence, onto, power, through_glass
from bothy.core.words.says import sun_says as says

DAYS = 20
TILTS_DEG = tuple(range(0, 95, 5))
HERE = Method("trips.month", "twenty days from the clearest to the dullest")


class _MonthAt(Contract):
    month: Whole = Field(ge=1, le=12)
    place: str | None = Field(None, max_length=60)
    lat_deg: float | None = Field(None, ge=-90, le=90)
    ghi_kwh_m2_day: float | None = Field(None, ge=0, le=12)
    elevation_m: float = Field(0, ge=-430, le=6000)
    tmin_c: float = Field(10, ge=-60, le=50)
    tmax_c: float = Field(20, ge=-60, le=60)
    tilt_deg: float = Field(0, ge=0, le=90)
    azimuth_deg: float | None = Field(None, ge=0, le=360)
    albedo_frac: float = Field(0.2, ge=0, le=1)

    @model_validator(mode="after")
    def _somewhere(self) -> Self:
        if self.place is not None:
            if self.place not in climates():
                raise wrong("place", says("not-place-in-climate-table", place=self.place))
            return self
        if self.lat_deg is None or self.ghi_kwh_m2_day is None:
            raise wrong("place", says("give-place-climate-table"))
        if self.tmax_c < self.tmin_c:
            raise wrong("tmax_c", says("must-not-be-below"))
        h0 = extraterrestrial_day(self.lat_deg, MEAN_DAY[self.month - 1])
        if h0 > 0 and self.ghi_kwh_m2_day / h0 > 0.78:
            raise wrong("ghi_kwh_m2_day", says("more-than-that-reach", h0=h0))
        return self

    @property
    def facing(self) -> tuple[float, ...]:
        """The heading, or the eight that stand for an unknown one; a flat panel has none."""
        return (self.azimuth_deg,) if self.azimuth_deg is not None else HEADINGS_DEG if self.tilt_deg > 0 else (0.0,)


class _Place(NamedTuple):
    """A month somewhere: latitude, height, mean daily minimum and maximum in °C, mean clearness and extraterrestrial kWh/m² of its mean day."""

    lat_deg: float
    elevation_m: float
    tmin_c: float
    tmax_c: float
    clearness: float
    h0: float


def _place(inp: _MonthAt) -> _Place:
    i = inp.month - 1
    if inp.place is not None:
        c = climates()[inp.place]
        h0 = extraterrestrial_day(c.lat_deg, MEAN_DAY[i])
        return _Place(c.lat_deg, c.elevation_m, c.tmin_c[i], c.tmax_c[i], month_clearness(c.lat_deg, inp.month, c.ghi_kwh_m2_day[i]), h0)
    assert inp.lat_deg is not None
    assert inp.ghi_kwh_m2_day is not None
    h0 = extraterrestrial_day(inp.lat_deg, MEAN_DAY[i])
    return _Place(inp.lat_deg, inp.elevation_m, inp.tmin_c, inp.tmax_c, inp.ghi_kwh_m2_day / h0 if h0 > 0 else 0.0, h0)


class _Month(NamedTuple):
    """Twenty days of a month: clearness of each, the sun's path, and the light."""

    place: _Place
    k: Array
    day: int
    solar_h: Array
    cos_z: Array
    azimuth: Array
    ghi: Array
    dhi: Array
    dni: Array
    outside: float

    def plane(self, tilt_deg: float, heading_deg: float, albedo: float) -> Plane:
        """Light on a plane, by day and step."""
        cos_i = incidence(self.cos_z, self.azimuth, tilt_deg, heading_deg)
        return onto(self.ghi, self.dhi, self.dni, self.outside, self.cos_z, cos_i, tilt_deg, albedo)

    def poa(self, tilt_deg: float, facing: tuple[float, ...], albedo: float) -> float:
        """Mean light on the plane in kWh/m² and day."""
        return float(np.mean([self.plane(tilt_deg, h, albedo).poa.sum(axis=1).mean() for h in facing])) * 24 / self.cos_z.size / 1000


def _month(inp: _MonthAt) -> _Month:
    p = _place(inp)
    day = MEAN_DAY[inp.month - 1]
    if p.clearness > 0:
        days: Clearness = distribution(p.lat_deg, inp.month, p.elevation_m, p.clearness)
        k = days.quantile((np.arange(DAYS) + 0.5) / DAYS)
        k = k * p.clearness / float(k.mean())
    else:
        k = np.zeros(DAYS)
    h = midpoints(15)
    sun = sun_at(p.lat_deg, season_of(day).dec, h)
    light = light_of(k, p.lat_deg, day, sun.w, sun.cos_z)
    return _Month(p, k, day, h, sun.cos_z, sun.azimuth, light.ghi, light.dhi, light.dni, light.outside)


class PeakSunHoursIn(_MonthAt):
    pass


class PeakSunHoursOut(Outcome):
    ghi_kwh_m2_day: float
    extraterrestrial_kwh_m2_day: float
    clearness_frac: float | None
    diffuse_frac: float | None
    day_length_h: float
    peak_sun_hours_h: float
    poa_kwh_m2_day: float
    best_tilt_deg: float
    best_tilt_poa_kwh_m2_day: float


def peak_sun_hours(inp: PeakSunHoursIn, sources: dict[str, Figure] | None = None) -> PeakSunHoursOut:
    """Light of a mean day of a month on the flat and on a plane, and the best tilt. Method: trips.month."""
    g = Given(inp, sources)
    m = _month(inp)
    extra = derived("extraterrestrial_kwh_m2_day", says("months-mean"), m.place.h0, Method("trips.sun-geometry", "geometry"), day_count=m.day)
    k = derived(
        "clearness_frac",
        says("ghi-polar-night-taken") if m.place.h0 < DARK_KWH_M2 else "GHI/H₀",
        m.place.clearness,
        Method("trips.month"),
        extraterrestrial_kwh_m2_day=extra,
    )
    poa = derived(
        "poa_kwh_m2_day",
        says("mean-light-on-plane"),
        m.poa(inp.tilt_deg, inp.facing, inp.albedo_frac),
        HERE,
        tilt_deg=g("tilt_deg"),
        albedo_frac=g("albedo_frac"),
    )
    best_tilt, best = 0, -1.0
    for tilt in TILTS_DEG:
        light = m.poa(tilt, inp.facing, inp.albedo_frac)
        if light > best + 1e-9:
            best_tilt, best = tilt, light
    whole = float(m.ghi.sum())
    tilt_figure = derived("best_tilt_deg", says("first-with-most-light"), best_tilt, HERE)
    return PeakSunHoursOut.of(
        ghi_kwh_m2_day=derived(
            "ghi_kwh_m2_day",
            "K·H₀",
            m.place.clearness * m.place.h0,
            Method("trips.month", "climate table, approximate"),
            clearness_frac=k,
            extraterrestrial_kwh_m2_day=extra,
        ),
        extraterrestrial_kwh_m2_day=extra,
        clearness_frac=k if m.place.h0 > 0 else None,
        diffuse_frac=derived("diffuse_frac", "Σ diffuse/Σ global", float(m.dhi.sum()) / whole, Method("trips.day-light", "Erbs, daily")) if whole > 0 else None,
        day_length_h=derived("day_length_h", "2·ω_s/15°", day_length(m.place.lat_deg, m.day), Method("trips.month", "geometry")),
        peak_sun_hours_h=derived("peak_sun_hours_h", says("as-many-hours-as"), poa.value, Method("trips.month", "definition"), poa_kwh_m2_day=poa),
        poa_kwh_m2_day=poa,
        best_tilt_deg=tilt_figure,
        best_tilt_poa_kwh_m2_day=derived("best_tilt_poa_kwh_m2_day", says("light-at-best-tilt"), best, HERE, best_tilt_deg=tilt_figure),
    )


def _hourly(value: object) -> object:
    return [value] * 24 if isinstance(value, int | float) and not isinstance(value, bool) else value


Part = Annotated[float, Field(ge=0, le=1)]
Hourly = Annotated[list[Part], BeforeValidator(_hourly), Field(min_length=24, max_length=24)]
"""One number for all hours, or 24."""


class PanelFactors(Contract):
    power_coeff_per_k: float = Field(-0.0038, ge=-0.01, le=0)
    noct_c: float = Field(45, ge=30, le=70)
    iam_b0: float = Field(0.05, ge=0, le=0.2)
    low_light_coeff: float = Field(0.02, ge=0, le=0.1)
    soiling_factor_frac: Part = 0.97
    wiring_factor_frac: Part = 0.98
    mismatch_factor_frac: Part = 0.98
    sky_view_frac: Part = 1

    def module(self, power_stc_w: float, mounting: str) -> Module:
        """A panel with these factors."""
        return Module(
            power_stc_w,
            mounting,
            self.power_coeff_per_k,
            self.noct_c,
            self.iam_b0,
            self.low_light_coeff,
            self.soiling_factor_frac,
            self.wiring_factor_frac,
            self.mismatch_factor_frac,
            self.sky_view_frac,
        )


class PanelDayYieldIn(_MonthAt, PanelFactors):
    power_stc_w: float = Field(gt=0, le=1e5)
    mounting: Literal["open_rack", "roof_gap", "glued"] = "roof_gap"
    shade_frac: Hourly = Field(default_factory=lambda: [0.0] * 24)
    controller_type: Literal["mppt", "pwm"] = "mppt"
    controller_efficiency_frac: float | None = Field(None, gt=0, le=1)
    controller_power_w: float | None = Field(None, gt=0)
    panel_vmp_v: float | None = Field(None, gt=0, le=500)
    battery_voltage_v: float = Field(13.2, gt=0, le=100)

    @model_validator(mode="after")
    def _pwm(self) -> Self:
        if self.controller_type == "pwm" and self.panel_vmp_v is None:
            raise wrong("panel_vmp_v", says("required-with-pwm-controller"))
        return self

    @property
    def efficiency(self) -> float:
        """Efficiency of the controller: given, or usual of its kind."""
        return self.controller_efficiency_frac or (0.97 if self.controller_type == "mppt" else 0.98)


class PanelDayYieldOut(Outcome):
    poa_kwh_m2_day: float
    energy_wh_day: float
    energy_p10_wh_day: float
    energy_p50_wh_day: float
    energy_p90_wh_day: float
    clipped_wh_day: float
    peak_power_w: float
    mean_cell_temp_c: float | None
    performance_ratio_frac: float | None


def panel_day_yield(inp: PanelDayYieldIn, sources: dict[str, Figure] | None = None) -> PanelDayYieldOut:
    """What panels give on a mean, a dull and a clear day of a month. Method: trips.month."""
    g = Given(inp, sources)
    m = _month(inp)
    p = m.place
    swing = (p.tmax_c - p.tmin_c) * (0.5 + 0.5 * m.k / p.clearness if p.clearness > 0 else np.ones(DAYS))
    air = (p.tmin_c + p.tmax_c) / 2 + swing[:, None] / 2 * np.cos(2 * math.pi * (m.solar_h - 15) / 24)[None, :]
    shade = np.array(inp.shade_frac)[np.floor(m.solar_h).astype(int)][None, :]
    module = inp.module(inp.power_stc_w, inp.mounting)
    cells, lights, watts = [], [], []
    for heading in inp.facing:
        light = through_glass(m.plane(inp.tilt_deg, heading, inp.albedo_frac), module, shade)
        warm = cell_temp(light, air, module)
        best = power(light, warm, module)
        if inp.controller_type == "pwm":
            assert inp.panel_vmp_v is not None
            held = inp.power_stc_w * light / 1000 * min(1.0, inp.battery_voltage_v / inp.panel_vmp_v) * module.wiring_frac * module.mismatch_frac
            best = np.where(light < 1, 0.0, np.minimum(best, held))
        cells.append(warm)
        lights.append(light)
        watts.append(best * inp.efficiency)
    made = np.array(watts)
    kept = np.minimum(made, inp.controller_power_w) if inp.controller_power_w is not None else made
    hours = 24 / m.solar_h.size
    daily = kept.mean(axis=0).sum(axis=1) * hours
    lit = float(np.sum(lights))
    poa = derived("poa_kwh_m2_day", says("mean-light-on-plane"), m.poa(inp.tilt_deg, inp.facing, inp.albedo_frac), HERE, tilt_deg=g("tilt_deg"))
    energy = derived(
        "energy_wh_day",
        says("mean-light-through-glass"),
        float(daily.mean()),
        Method("trips.panel-power"),
        power_stc_w=g("power_stc_w"),
        poa_kwh_m2_day=poa,
        controller_efficiency_frac=given("controller_efficiency_frac", inp.efficiency, "default", inp.controller_type),
    )

    def days(key: str, part: float) -> Figure:
        return derived(key, says("stay-under", part=part), float(np.percentile(daily, 100 * part)), HERE, energy_wh_day=energy)

    return PanelDayYieldOut.of(
        poa_kwh_m2_day=poa,
        energy_wh_day=energy,
        energy_p10_wh_day=days("energy_p10_wh_day", 0.1),
        energy_p50_wh_day=days("energy_p50_wh_day", 0.5),
        energy_p90_wh_day=days("energy_p90_wh_day", 0.9),
        clipped_wh_day=derived(
            "clipped_wh_day", says("above-controllers-power"), float((made - kept).mean(axis=0).sum(axis=1).mean()) * hours, Method("trips.panel-power")
        ),
        peak_power_w=derived("peak_power_w", says("largest-any-step-and"), float(kept.max()), HERE),
        mean_cell_temp_c=derived("mean_cell_temp_c", "Σ T·G/Σ G", float(np.sum(np.array(cells) * np.array(lights))) / lit, Method("trips.month"))
        if lit > 0
        else None,
        performance_ratio_frac=derived(
            "performance_ratio_frac",
            "energy/(light·label power)",
            energy.value / (poa.value * inp.power_stc_w),
            Method("trips.month", "definition"),
            energy_wh_day=energy,
            poa_kwh_m2_day=poa,
            power_stc_w=g("power_stc_w"),
        )
        if poa.value > 0
        else None,
    )
