"""A trip by its contract: days, panels, bank, loads, heat and tanks, through the engine to its sums (method trips.run, 3.18 and 8)."""

from __future__ import annotations

import datetime as dt
from typing import Any, Literal, Self

import numpy as np
from pydantic import Field, field_validator, model_validator

from bothy.core.catalogue.climates import climates
from bothy.core.contract import Contract, Whole, wrong
from bothy.core.sun.draws import KT_AUTOCORR, TEMP_AUTOCORR, known_place
from bothy.core.sun.geometry import Array
from bothy.core.sun.month import Hourly, PanelFactors, Part
from bothy.core.sun.position import date_of
from bothy.core.trips import places as k
from bothy.core.trips.battery import StepMin, TripBank
from bothy.core.trips.engine import Plan, PlanArray, PlanDay
from bothy.core.words.says import trips_says as says

Refill = Literal["water", "grey_dump", "toilet_dump", "gas", "diesel"]
MOST_DAYS = 366


class TripDay(Contract):
    place: str = Field(max_length=60)
    count: Whole = Field(1, ge=1, le=366)
    persons_count: Whole = Field(2, ge=0, le=50)
    drive_start_h: float = Field(9, ge=0, le=24)
    drive_h: float = Field(0, ge=0, le=24)
    shore: bool = False
    heading_deg: float | None = Field(None, ge=0, le=360)
    kt_frac: float | None = Field(None, ge=0, le=0.85)
    refills: list[Refill] = Field([], max_length=5)
    refill_h: float = Field(9, ge=0, lt=24)

    @field_validator("place")
    @classmethod
    def _known(cls, value: str) -> str:
        return known_place(value)

    @model_validator(mode="after")
    def _evening(self) -> Self:
        if self.drive_start_h + self.drive_h > 24:
            raise wrong("drive_h", says("ends-after-midnight-put"))
        return self


class TripArray(Contract):
    power_stc_w: float = Field(ge=0, le=1e5)
    tilt_deg: float = Field(0, ge=0, le=90)
    azimuth_deg: float = Field(0, ge=0, le=360)
    mounting: Literal["open_rack", "roof_gap", "glued"] = "roof_gap"
    deploy: Literal["fixed", "lift", "ground"] = "fixed"
    shade_frac: Hourly = Field(default_factory=lambda: [0.0] * 24)


class TripPv(PanelFactors):
    arrays: list[TripArray] = Field([], max_length=40)
    controller_efficiency_frac: float = Field(0.97, gt=0, le=1)
    controller_power_w: float | None = Field(None, gt=0)
    albedo_frac: Part = 0.2


class TripShore(Contract):
    charger_power_w: float = Field(0, ge=0)
    charger_efficiency_frac: float = Field(0.90, gt=0, le=1)
    limit_w: float = Field(1380, ge=0)


class TripInverter(Contract):
    rated_w: float = Field(gt=0)
    idle_w: float | None = Field(None, ge=0, le=500)
    efficiency_frac: float = Field(0.92, gt=0, le=1)
    mode: Literal["always", "with_load"] = "with_load"


class TripLoad(Contract):
    id: str | None = Field(None, max_length=200)
    power_w: float = Field(ge=0)
    supply: Literal["dc", "ac"] = "dc"
    tier: Whole = Field(2, ge=1, le=3)
    hour_frac: Hourly = Field(default_factory=lambda: [1.0] * 24)
    when: Literal["always", "occupied", "driving", "parked"] = "always"


class TripShed(Contract):
    tier: Whole = Field(ge=1, le=3)
    shed_soc_frac: float = Field(ge=0, le=1)
    reconnect_soc_frac: float = Field(ge=0, le=1)

    @model_validator(mode="after")
    def _above(self) -> Self:
        if self.reconnect_soc_frac <= self.shed_soc_frac:
            raise wrong("reconnect_soc_frac", says("must-be-above-shed"))
        return self


class TripFridge(Contract):
    power_w: float = Field(45, ge=0, le=2000)
    duty_frac: float = Field(0.30, ge=0, le=1)
    internal_temp_c: float = Field(4, ge=-30, le=15)
    reference_temp_c: float = Field(25, ge=-20, le=45)
    tier: Whole = Field(1, ge=1, le=3)

    @model_validator(mode="after")
    def _above(self) -> Self:
        if self.reference_temp_c <= self.internal_temp_c:
            raise wrong("reference_temp_c", says("must-be-above-internal"))
        return self


class TripCabin(Contract):
    ua_w_k: float = Field(60, gt=0, le=2000)
    heat_capacity_kj_k: float = Field(250, gt=0, le=36000)
    solar_aperture_m2: float = Field(0.8, ge=0, le=20)
    internal_gain_w: float = Field(20, ge=0, le=5000)
    person_heat_w: float = Field(80, ge=0, le=300)


class TripHeater(Contract):
    fuel: Literal["diesel", "gas"] = "diesel"
    max_w: float = Field(2000, gt=0, le=50000)
    set_day_c: float = Field(19, ge=0, le=35)
    set_night_c: float = Field(12, ge=0, le=35)
    day_start_h: float = Field(7, ge=0, le=24)
    day_end_h: float = Field(22, ge=0, le=24)
    efficiency_frac: float | None = Field(None, gt=0, le=1)
    el_min_w: float = Field(8, ge=0, le=5000)
    el_max_w: float = Field(30, ge=0, le=5000)
    tier: Whole = Field(1, ge=1, le=3)

    @model_validator(mode="after")
    def _range(self) -> Self:
        if self.el_max_w < self.el_min_w:
            raise wrong("el_max_w", says("must-not-be-below-el"))
        return self

    @property
    def efficiency(self) -> float:
        """Efficiency: given, or usual of its fuel."""
        return self.efficiency_frac or (0.8 if self.fuel == "diesel" else 0.9)


class TripTanks(Contract):
    fresh_l: float | None = Field(None, ge=0)
    grey_l: float | None = Field(None, ge=0)
    toilet_l: float | None = Field(None, ge=0)
    gas_kg: float | None = Field(None, ge=0)
    diesel_l: float | None = Field(None, ge=0)
    fresh_l_person_day: float = Field(12, ge=0, le=500)
    grey_return_frac: Part = 0.9
    toilet_l_person_day: float = Field(1.5, ge=0, le=50)
    gas_cook_kg_person_day: float = Field(0.08, ge=0, le=5)


class SimulateTripIn(Contract):
    start_date: str = Field(min_length=10, max_length=10)
    step_min: StepMin = 15
    weather: Literal["normals", "draws"] = "normals"
    seed: Whole = Field(0, ge=0, le=2**63 - 1)
    draw_count: Whole = Field(1, ge=1, le=1000)
    kt_autocorr: float = Field(KT_AUTOCORR, ge=0, le=0.95)
    temp_autocorr: float = Field(TEMP_AUTOCORR, ge=0, le=0.95)
    soc_start_frac: float = Field(1, ge=0, le=1)
    battery_location: Literal["cabin", "outside"] = "cabin"
    dcdc_power_w: float = Field(0, ge=0)
    series: bool = False
    days: list[TripDay] = Field(min_length=1, max_length=366)
    pv: TripPv = TripPv()
    bank: TripBank
    shore: TripShore = TripShore()
    inverter: TripInverter | None = None
    loads: list[TripLoad] = Field([], max_length=400)
    shed: list[TripShed] | None = Field(None, max_length=3)
    fridge: TripFridge | None = None
    cabin: TripCabin = TripCabin()
    heater: TripHeater | None = None
    tanks: TripTanks = TripTanks()

    @model_validator(mode="after")
    def _whole_trip(self) -> Self:
        self.first_day  # noqa: B018
        whole = sum(d.count for d in self.days)
        if whole > MOST_DAYS:
            raise wrong("days", says("make-most", whole=whole, most_days=MOST_DAYS))
        if self.inverter is None and any(x.supply == "ac" for x in self.loads):
            raise wrong("supply", says("ac-for-load-but"))
        return self

    @property
    def first_day(self) -> dt.date:
        """The first day."""
        return date_of("start_date", self.start_date)


def plan_days(inp: SimulateTripIn) -> list[PlanDay]:
    """One entry a day."""
    out: list[PlanDay] = []
    for d in inp.days:
        for _ in range(d.count):
            out.append(
                PlanDay(
                    climates()[d.place],
                    inp.first_day + dt.timedelta(days=len(out)),
                    float(d.persons_count),
                    d.drive_start_h,
                    d.drive_h,
                    d.shore,
                    d.heading_deg,
                    d.kt_frac,
                    tuple(d.refills),
                    d.refill_h,
                )
            )
    return out


def loads_by_step(loads: list[TripLoad], days: list[PlanDay], hours: Array, supply: str) -> Array:
    """Power by day, step and tier in W."""
    out = np.zeros((len(days), hours.size, 3))
    clock = np.floor(hours).astype(int)
    for x in loads:
        if x.supply != supply:
            continue
        by_step = x.power_w * np.array(x.hour_frac)[clock]
        for j, d in enumerate(days):
            driving = d.driving(hours)
            live: Any = {"always": True, "occupied": d.persons > 0, "driving": driving, "parked": ~driving}[x.when]
            out[j, :, x.tier - 1] += np.where(live, by_step, 0.0)
    return out


def default_shed(floor: float, day_frac: float = 1.0) -> list[tuple[int, float, float]]:
    """Comfort goes first, then what is normal; tier, level at which it goes, level at which it comes back.

    ``day_frac`` is what the loads that stay take of the bank in a day: no more than a day of them is held back, so that a larger bank does not go dark earlier
    for a reserve that nothing needs.
    """
    step = min(0.10, day_frac / 2)
    return [(3, floor + 2 * step, floor + 3 * step), (2, floor + step, floor + 2 * step)]


def _numbers(inp: SimulateTripIn) -> Array:
    n = np.zeros(k.PLAN_SIZE)
    n[[k.SHED_1, k.SHED_2, k.SHED_3]] = k.NEVER_SHED
    shed = [(s.tier, s.shed_soc_frac, s.reconnect_soc_frac) for s in inp.shed] if inp.shed is not None else default_shed(inp.bank.floor)
    for tier, off, back in shed:
        n[k.SHED_1 + tier - 1], n[k.BACK_1 + tier - 1] = off, back
    pv, shore, cabin, tanks = inp.pv, inp.shore, inp.cabin, inp.tanks
    n[k.ALBEDO], n[k.DCDC], n[k.SNOW_CLEARED], n[k.DCDC_BELOW] = pv.albedo_frac, inp.dcdc_power_w, k.NEVER_CLEARED, k.ALWAYS_CHARGED
    n[k.CHARGER], n[k.ETA_CHARGER], n[k.SHORE_MOST] = shore.charger_power_w, shore.charger_efficiency_frac, shore.limit_w
    if inp.inverter is not None:
        v = inp.inverter
        idle = v.idle_w if v.idle_w is not None else 4 + 0.006 * v.rated_w
        n[k.INVERTER], n[k.IDLE], n[k.ETA_INVERTER], n[k.ALWAYS] = 1, idle, v.efficiency_frac, float(v.mode == "always")
    if inp.fridge is not None:
        f = inp.fridge
        n[k.FRIDGE_W], n[k.FRIDGE_DUTY], n[k.FRIDGE_IN], n[k.FRIDGE_REF], n[k.FRIDGE_TIER] = (
            f.power_w,
            f.duty_frac,
            f.internal_temp_c,
            f.reference_temp_c,
            f.tier - 1,
        )
    else:
        n[k.FRIDGE_IN], n[k.FRIDGE_REF] = 4, 25
    n[k.HEATER_W], n[k.ETA_HEATER] = 1, 1
    if inp.heater is not None:
        h = inp.heater
        n[k.HEATER] = k.BY_DIESEL if h.fuel == "diesel" else k.BY_GAS
        n[k.HEATER_W], n[k.SET_DAY], n[k.SET_NIGHT], n[k.DAY_FROM], n[k.DAY_TO] = h.max_w, h.set_day_c, h.set_night_c, h.day_start_h, h.day_end_h
        n[k.ETA_HEATER], n[k.EL_LEAST], n[k.EL_MOST], n[k.HEATER_TIER] = h.efficiency, h.el_min_w, h.el_max_w, h.tier - 1
    n[k.UA], n[k.C_CABIN], n[k.APERTURE], n[k.GAIN], n[k.PERSON] = (
        cabin.ua_w_k,
        cabin.heat_capacity_kj_k / 3.6,
        cabin.solar_aperture_m2,
        cabin.internal_gain_w,
        cabin.person_heat_w,
    )
    n[k.BANK_INSIDE], n[k.SOC_START] = float(inp.battery_location == "cabin"), inp.soc_start_frac
    for i, value in enumerate((tanks.fresh_l, tanks.grey_l, tanks.toilet_l, tanks.gas_kg, tanks.diesel_l)):
        n[k.HAS_FRESH + i], n[k.FRESH + i] = float(value is not None), value or 0.0
    n[k.FRESH_DAY], n[k.GREY_PART], n[k.TOILET_DAY], n[k.COOK_DAY] = (
        tanks.fresh_l_person_day,
        tanks.grey_return_frac,
        tanks.toilet_l_person_day,
        tanks.gas_cook_kg_person_day,
    )
    return n


def plan_of(inp: SimulateTripIn) -> Plan:
    """The plan of a contract."""
    from bothy.core.sun.geometry import midpoints

    days = plan_days(inp)
    hours = midpoints(inp.step_min)
    arrays = [
        PlanArray(
            inp.pv.module(a.power_stc_w, a.mounting),
            a.tilt_deg,
            a.azimuth_deg,
            a.deploy,
            tuple(a.shade_frac),
            0,
            inp.pv.controller_efficiency_frac,
            inp.pv.controller_power_w or 1e12,
        )
        for a in inp.pv.arrays
    ]
    return Plan(
        days,
        inp.step_min,
        arrays,
        inp.bank.numbers,
        _numbers(inp),
        loads_by_step(inp.loads, days, hours, "dc"),
        loads_by_step(inp.loads, days, hours, "ac"),
        inp.weather == "draws",
        inp.seed,
        inp.draw_count,
        inp.kt_autocorr,
        inp.temp_autocorr,
    )
