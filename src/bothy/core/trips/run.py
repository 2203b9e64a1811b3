"""What a run of a trip says: lanes over time, days and months, what runs short, what would help."""

from __future__ import annotations

from pydantic import BaseModel

from bothy.core.book import Written
from bothy.core.finding import Finding
from bothy.core.trips.frost import FrostTrip
from bothy.core.trips.generator import GeneratorTrip
from bothy.core.trips.stores import GasTrip, WaterTrip


class Lane(BaseModel):
    """One quantity over the trip, a value a point: what 1 in 10, half and 9 in 10 of the weathers stay under."""

    p10: list[float]
    p50: list[float]
    p90: list[float]


class TripDaySum(BaseModel):
    """One day: where, and in half of the weathers how much came in, was used and was missing in Wh; least charge in 1 of 10; share of weathers with
    a shortage."""

    date: str
    leg: str
    place: str
    sun_wh: float
    sources_wh: float
    load_wh: float
    missing_wh: float
    least_soc_p10: float
    short_frac: float
    kt_p50: float
    mean_c_p50: float


class TripMonth(BaseModel):
    """One calendar month of the trip: its days, share of short days, Wh a day, and the seven days in a row with the most missing (mean of the weathers)."""

    month: str
    days: int
    short_frac: float
    sun_wh_day: float
    load_wh_day: float
    missing_wh_day: float
    worst_week_wh: float
    least_soc_p10: float


class TripEventOut(BaseModel):
    """Something that happened in one of the three weathers that are drawn."""

    draw: int
    time_d: float
    what: str


class YearTrip(BaseModel):
    """The trip in one year of the files: its short days and the least charge."""

    year: int
    short_days: int
    least_soc: float


class Buy(BaseModel):
    """What one more part would do on the same weathers: share of short days and its change with the error of that, Wh missing a day and its change.

    Price and mass in kg of what is added, where the catalogue knows it."""

    what: str
    price: float | None = None
    mass_kg: float | None = None
    short_days_frac: float
    change_frac: float
    error_frac: float
    missing_wh_day: float
    change_wh_day: float


class WarmTrip(BaseModel):
    """Warmth over the trip, means of the weathers: heat kWh, fuel L and kg, when the fuel is first out (in half of the weathers), electricity of
    heater and cooler Wh a day;
    hours too warm, too damp, with water on the coldest face; the coldest and the hottest cabin of 1 in 10; the longest time in a row (of half of the
    weathers) that the
    heater does not reach its setting by more than 3 K; a bay's frost."""

    heat_kwh: float
    diesel_l: float
    gas_kg: float
    fuel_first_d: float | None
    heater_wh_day: float
    cooler_wh_day: float
    cool_missing_kwh: float
    hot_h: float
    damp_h: float
    wet_h: float
    condensed_kg: float
    coldest_p10_c: float
    hottest_p90_c: float
    cold_run_h: float
    freeze_frac: float
    freeze_h: float
    bay_frac: float
    bay_h: float
    bay_first_d: float | None


class TripRun(BaseModel):
    """A run of the trip. Lanes have ``per_day`` points a day; ``shed`` names the loads that are switched off first, where the bank gets low enough for it, and
    ``shed_first_d`` when that is first, in half of those weathers. ``histories`` are three weathers that happened to be near the 1 in 10, the half
    and the 9 in 10.
    ``figures`` are the workings of what the findings say, by key (``trip/…``)."""

    draw_count: int
    seed: int
    day_count: int
    per_day: int
    floor_frac: float
    soc: Lane
    sun_w: Lane
    load_w: Lane
    cabin_c: Lane
    fed_w: Lane
    histories: dict[str, list[float]]
    days: list[TripDaySum]
    months: list[TripMonth]
    forecast_days: int
    years: list[YearTrip]
    autonomy_d: float | None
    events: list[TripEventOut]
    short_days_frac: float
    error_frac: float | None
    trips_short_frac: float
    least_soc_p10: float
    least_soc_p50: float
    least_soc_p90: float
    first_short_d: float | None
    first_short_p50_d: float | None
    first_short_p90_d: float | None
    sun_wh_day: float
    driving_wh_day: float
    shore_wh_day: float
    generator: GeneratorTrip | None
    bank_heater_wh_day: float
    snow_days: float
    snow_wh_day: float
    mains_short_w: float
    mains_short_h: float
    medical_draws_frac: float
    medical_first_d: float | None
    heat_missing_frac: float | None
    short_in_normals_d: float | None
    rh: Lane
    warm: WarmTrip
    water: WaterTrip | None = None
    gas: GasTrip | None = None
    frost: list[FrostTrip] = []
    limited_h: float
    cycles_year: float
    inverter_idle_wh_day: float
    clipped_frac: float
    load_wh_day: float
    curtailed_wh_day: float
    missing_wh_day: float
    shed: list[str] = []
    shed_first_d: float | None = None
    refused_cold_h: float
    refused_cold_wh: float
    coldest_cell_c: float
    refused_hot_h: float
    most_ac_w: float
    balance_error_wh: float
    buys: list[Buy]
    findings: list[Finding]
    assumed: list[str]
    figures: Written = {}
