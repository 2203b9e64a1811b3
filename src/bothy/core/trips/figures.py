"""What a run says in numbers, as figures that open: each is counted over the same weathers, and says how."""

from __future__ import annotations

from typing import Any

from bothy.core.book import Book
from bothy.core.figure import Figure, given
from bothy.core.method.sources import Method
from bothy.core.trips.run import TripRun

SOURCE = Method("trips.run", "the trip, simulated in steps of a quarter of an hour")
MEAN_DAY = "mean of the weathers of (sum over the trip ÷ days)"
MEAN_TRIP = "mean of the weathers of the sum over the trip"
WORST = "the largest quarter of an hour of the trip"
HALF = "the moment by which it happened in half of the weathers, counted from the start"

COUNTED: tuple[tuple[str, str, str], ...] = (
    ("sun_wh_day", "Sun used a day", MEAN_DAY),
    ("driving_wh_day", "Driving charge a day", MEAN_DAY),
    ("shore_wh_day", "Hook-up a day", MEAN_DAY),
    ("load_wh_day", "Served to the loads a day", MEAN_DAY),
    ("missing_wh_day", "Missing a day", "mean of the weathers of (shed + unserved over the trip) ÷ days"),
    ("curtailed_wh_day", "Sun that finds a full bank, a day", MEAN_DAY),
    ("snow_wh_day", "Sun lost to snow, a day", MEAN_DAY),
    ("inverter_idle_wh_day", "Inverter idling, a day", MEAN_DAY),
    ("short_days_frac", "Short days", "days on which a load that should never stop was shed or dark ÷ (days × weathers)"),
    ("error_frac", "Error of the short days", "standard deviation of the weathers' own shares of short days ÷ √weathers"),
    ("least_soc_p10", "Least charge, 1 in 10", "the least charge of each weather; a tenth of them stay under this"),
    ("least_soc_p50", "Least charge, half", "the least charge of each weather; half of them stay under this"),
    ("first_short_d", "First shortage, earliest", "the earliest moment of all weathers at which power was short, counted from the start"),
    ("first_short_p50_d", "First shortage, half", HALF),
    ("first_short_p90_d", "First shortage, 9 in 10", "the moment by which it happened in 9 of 10 weathers, counted from the start"),
    ("short_in_normals_d", "First shortage in average weather", "the same trip once more, in the mean weather of each place and month"),
    ("autonomy_d", "Days on a full bank without any source", "usable energy of the bank ÷ mean use a day"),
    ("medical_first_d", "Medical power first fails", "the earliest moment of all weathers, counted from the start"),
    ("medical_draws_frac", "Trips on which medical power fails", "weathers in which a medical load was not served ÷ weathers"),
    ("snow_days", "Days under snow", MEAN_TRIP),
    ("refused_cold_h", "Hours of charge refused by cold", MEAN_TRIP),
    ("refused_cold_wh", "Charge refused by cold", MEAN_TRIP),
    ("coldest_cell_c", "Coldest cells", "the lowest temperature of the cells in all weathers"),
    ("refused_hot_h", "Hours of charge refused by heat", MEAN_TRIP),
    ("limited_h", "Hours at the bank's limit", MEAN_TRIP),
    ("cycles_year", "Full cycles a year", "energy out of the bank ÷ its capacity ÷ days × 365"),
    ("clipped_frac", "Sun above the controller", "what the controllers don't take ÷ what the panels could give"),
    ("most_ac_w", "Mains loads at their worst", WORST),
    ("mains_short_w", "More than the hook-up gives", WORST),
    ("mains_short_h", "Hours above the hook-up", MEAN_TRIP),
    ("heat_missing_frac", "Heat missing", "heat not given ÷ heat asked for, means of the weathers"),
    ("warm.diesel_l", "Fuel burnt", MEAN_TRIP),
    ("warm.gas_kg", "Gas burnt by the heater", MEAN_TRIP),
    ("warm.fuel_first_d", "Fuel out", HALF),
    ("warm.hot_h", "Hours over 30 °C", MEAN_TRIP),
    ("warm.damp_h", "Hours over 80 %", MEAN_TRIP),
    ("warm.wet_h", "Hours of water on the coldest face", MEAN_TRIP),
    ("warm.condensed_kg", "Water condensed", MEAN_TRIP),
    ("warm.coldest_p10_c", "Coldest cabin, 1 in 10", "the lowest temperature of each weather; a tenth of them stay under this"),
    ("warm.hottest_p90_c", "Hottest cabin, 1 in 10", "the highest temperature of each weather; a tenth of them go over this"),
    ("warm.cold_run_h", "Longest under the setting by 3 K", "the longest time in a row of each weather; half of them stay under this"),
    ("warm.bay_h", "Hours of frost in a bay", MEAN_TRIP),
    ("warm.bay_frac", "Weathers with frost in a bay", "weathers with frost ÷ weathers"),
    ("gas.capacity_kg", "Gas that comes out in the cold", "the vessels' filling, less what stays in them at the cold of the trip"),
    ("gas.used_kg", "Gas burnt", MEAN_TRIP),
    ("gas.short_frac", "Trips on which the gas runs out", "weathers in which the vessels were empty ÷ weathers"),
    ("gas.first_d", "Gas out", HALF),
    ("water.used_l", "Water used", MEAN_TRIP),
    ("water.missing_l", "Water missing", MEAN_TRIP),
    ("generator.run_h", "Generator, hours", MEAN_TRIP),
    ("generator.made_kwh", "Generator, energy", MEAN_TRIP),
    ("generator.first_d", "Generator's fuel out", HALF),
    ("generator.short_frac", "Trips on which the generator's fuel runs out", "weathers in which it ran out ÷ weathers"),
    ("generator.burnt", "Generator, fuel", MEAN_TRIP),
)
"""Field of a run, its label, and how it is counted."""
PER_DAY = ("warm.diesel_l", "warm.gas_kg", "warm.hot_h", "warm.damp_h", "warm.wet_h", "water.used_l", "gas.used_kg")
"""Sums that a reader is told by the day."""


def _value(run: TripRun, field: str) -> float | None:
    at: Any = run
    for part in field.split("."):
        at = getattr(at, part, None)
    return at if isinstance(at, int | float) else None


def figures_of(run: TripRun) -> dict[str, Figure]:
    """The figures of a run by key (``trip/load_wh_day``), in the units of their fields; what did not happen has none."""
    counted_over = {
        "days": given("day_count", run.day_count, "typed", "the legs of the trip", "Days of the trip"),
        "weathers": given(
            "draw_count",
            run.draw_count,
            "computed",
            "years of the files" if run.years else f"drawn with the seed {run.seed}",
            "Weathers",
            source=Method("trips.weather"),
        ),
    }
    out: dict[str, Figure] = {}

    def put(key: str, label: str, how: str, value: float, unit: str = "", **more: Figure) -> Figure:
        like = given(key, value)
        inputs = tuple({**more, **counted_over}.items())
        made = out[f"trip/{key}"] = Figure(float(value), unit or like.unit, label, expression=how, source=SOURCE, inputs=inputs)
        return made

    for field, label, how in COUNTED:
        if (value := _value(run, field)) is not None:
            made = put(field.replace(".", "/"), label, how, value, run.generator.unit if field == "generator.burnt" and run.generator else "")
            if field in PER_DAY:
                put(f"{field.replace('.', '/')}_a_day", f"{label} a day", "total ÷ days", value / run.day_count, made.unit, total=made)
    come = [out[f"trip/{k}"] for k in ("sun_wh_day", "driving_wh_day", "shore_wh_day")]
    if (whole := sum(f.value for f in come)) > 0:
        for key, f in zip(("sun", "driving"), (come[0], come[1]), strict=True):
            put(
                f"{key}_part_frac",
                f"{f.label}, part of all sources",
                "this ÷ (sun + driving + hook-up)",
                f.value / whole,
                sun=come[0],
                driving=come[1],
                shore=come[2],
            )
    sun, lost = out["trip/sun_wh_day"], out["trip/curtailed_wh_day"]
    put("made_wh_day", "Sun that there was, a day", "used + found a full bank", sun.value + lost.value, used=sun, unused=lost)
    snow = out["trip/snow_wh_day"]
    put("snow_wh", "Sun lost to snow over the trip", "a day × days", snow.value * run.day_count, a_day=snow)
    if run.short_days_frac > 0:
        missing, short = out["trip/missing_wh_day"], out["trip/short_days_frac"]
        put("missing_bad_day_wh", "Missing on a bad day", "missing a day ÷ short days", missing.value / short.value, missing=missing, short_days=short)
    for name, s in (run.water.stores if run.water else {}).items():
        put(f"water/{name}/capacity_l", f"{name.capitalize()}, capacity", "what the tank gives or takes", s.capacity_l)
        if s.first_d is not None:
            put(f"water/{name}/first_d", f"{name.capitalize()}, first short", HALF, s.first_d)
    for i, frozen in enumerate([f for f in run.frost if f.nights][:3]):
        put(
            f"frost/{i}/nights_count",
            f"{frozen.name}: nights below 0 °C",
            "days on which it is below 0 °C in a tenth of the weathers or more",
            len(frozen.nights),
        )
    return out


BY_RULE: dict[str, tuple[str, ...]] = {
    "sim-first-shortage": ("first_short_p50_d", "first_short_d", "first_short_p90_d"),
    "sim-lolp-high": ("short_days_frac", "error_frac", "missing_wh_day", "missing_bad_day_wh"),
    "sim-medical-load": ("medical_draws_frac", "medical_first_d"),
    "sim-empty-normals": ("short_in_normals_d", "missing_wh_day"),
    "sim-autonomy-short": ("load_wh_day", "missing_wh_day"),
    "sim-solar-small": ("sun_part_frac",),
    "sim-tilt-winter": ("short_days_frac",),
    "sim-heater-short": ("warm/cold_run_h", "heat_missing_frac", "warm/coldest_p10_c"),
    "sim-freeze": ("warm/bay_frac", "warm/bay_h", "frost/0/nights_count", "frost/1/nights_count", "frost/2/nights_count"),
    "sim-fuel-empty": ("warm/fuel_first_d", "warm/diesel_l_a_day", "generator/first_d", "generator/short_frac"),
    "sim-gas-empty": ("gas/capacity_kg", "gas/first_d", "gas/short_frac", "gas/used_kg", "warm/fuel_first_d", "warm/gas_kg_a_day"),
    "sim-water-short": ("water/fresh/capacity_l", "water/fresh/first_d", "water/missing_l"),
    "sim-grey-full": ("water/grey/capacity_l", "water/grey/first_d"),
    "sim-toilet-full": ("water/toilet/capacity_l", "water/toilet/first_d"),
    "sim-too-hot": ("warm/hot_h_a_day", "warm/hottest_p90_c"),
    "sim-damp": ("warm/damp_h_a_day", "warm/wet_h_a_day", "warm/condensed_kg"),
    "sim-discharge-limit": ("limited_h",),
    "sim-bank-cycles": ("cycles_year",),
    "sim-inverter-idle": ("inverter_idle_wh_day", "load_wh_day"),
    "sim-snow": ("snow_days", "snow_wh"),
    "sim-controller-clip": ("clipped_frac",),
    "sim-low-reserve": ("least_soc_p10",),
    "sim-curtailed": ("curtailed_wh_day", "made_wh_day"),
    "sim-charge-refused-cold": ("refused_cold_h", "refused_cold_wh", "coldest_cell_c"),
    "sim-charge-refused-hot": ("refused_hot_h",),
    "sim-inverter-overload": ("most_ac_w",),
    "sim-shore-limit": ("mains_short_w", "mains_short_h"),
    "sim-generator": ("generator/run_h", "generator/made_kwh", "generator/burnt"),
    "sim-alternator-only": ("driving_part_frac",),
    "sim-draws-few": ("error_frac", "short_days_frac"),
}
"""Rules of the trip and the figures that their messages say."""


def with_figures(run: TripRun) -> None:
    """Give a run its workings, and its findings the figures that their messages say."""
    figures = figures_of(run)
    for f in run.findings:
        of_generator = f.subject == "generator"
        keys = [f"trip/{name}" for name in BY_RULE.get(f.rule, ()) if f.rule != "sim-fuel-empty" or name.startswith("generator/") == of_generator]
        f.figures = [key for key in keys if key in figures and figures[key].value != 0]
    book = Book()
    for key, figure in figures.items():
        book.put(key, figure)
    run.figures = book.all_workings()
