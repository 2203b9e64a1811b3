"""What a run says in numbers, as figures that open: each is counted over the same weathers, and says how."""

from __future__ import annotations

from typing import Any

from bothy.core.book import Book
from bothy.core.figure import Figure, given
from bothy.core.method.sources import Method
from bothy.core.trips.run import TripRun
from bothy.core.words.says import trips_says as says

SOURCE = Method("trips.run", "the trip, simulated in steps of a quarter of an hour")
MEAN_DAY = "mean of the weathers of (sum over the trip ÷ days)"
MEAN_TRIP = says("mean-weathers-sum-over")
WORST = says("largest-quarter-hour-trip")
HALF = says("moment-by-which-happened")

COUNTED: tuple[tuple[str, str, str], ...] = (
    ("sun_wh_day", says("sun-used"), MEAN_DAY),
    ("driving_wh_day", says("driving-charge"), MEAN_DAY),
    ("shore_wh_day", says("hook-up"), MEAN_DAY),
    ("load_wh_day", says("served-to-loads"), MEAN_DAY),
    ("missing_wh_day", says("missing"), "mean of the weathers of (shed + unserved over the trip) ÷ days"),
    ("curtailed_wh_day", says("sun-that-finds-full"), MEAN_DAY),
    ("snow_wh_day", says("sun-lost-to-snow"), MEAN_DAY),
    ("inverter_idle_wh_day", says("inverter-idling"), MEAN_DAY),
    ("short_days_frac", says("short"), "days on which a load that should never stop was shed or dark ÷ (days × weathers)"),
    ("error_frac", says("error-short"), "standard deviation of the weathers' own shares of short days ÷ √weathers"),
    ("least_soc_p10", says("least-charge-in"), says("least-charge-each-weather")),
    ("least_soc_p50", says("least-charge-half"), says("least-charge-each-weather-half")),
    ("first_short_d", says("first-shortage-earliest"), says("earliest-moment-all-weathers")),
    ("first_short_p50_d", says("first-shortage-half"), HALF),
    ("first_short_p90_d", says("first-shortage-in"), says("moment-by-which-happened-in")),
    ("short_in_normals_d", says("first-shortage-in-average"), says("same-trip-once-more")),
    ("autonomy_d", says("on-full-bank-without"), "usable energy of the bank ÷ mean use a day"),
    ("medical_first_d", says("medical-power-first-fails"), says("earliest-moment-all-weathers-counted")),
    ("medical_draws_frac", says("trips-on-which-medical"), "weathers in which a medical load was not served ÷ weathers"),
    ("snow_days", says("under-snow"), MEAN_TRIP),
    ("refused_cold_h", says("hours-charge-refused-by"), MEAN_TRIP),
    ("refused_cold_wh", says("charge-refused-by-cold"), MEAN_TRIP),
    ("coldest_cell_c", says("coldest-cells"), says("lowest-temperature-cells-in")),
    ("refused_hot_h", says("hours-charge-refused-by-heat"), MEAN_TRIP),
    ("limited_h", says("hours-at-banks-limit"), MEAN_TRIP),
    ("cycles_year", says("full-cycles-year"), "energy out of the bank ÷ its capacity ÷ days × 365"),
    ("clipped_frac", says("sun-above-controller"), "what the controllers don't take ÷ what the panels could give"),
    ("most_ac_w", says("mains-loads-at-their"), WORST),
    ("mains_short_w", says("more-than-hook-up"), WORST),
    ("mains_short_h", says("hours-above-hook-up"), MEAN_TRIP),
    ("heat_missing_frac", says("heat-missing"), "heat not given ÷ heat asked for, means of the weathers"),
    ("warm.diesel_l", says("fuel-burnt"), MEAN_TRIP),
    ("warm.gas_kg", says("gas-burnt-by-heater"), MEAN_TRIP),
    ("warm.fuel_first_d", says("fuel-out"), HALF),
    ("warm.hot_h", says("hours-over"), MEAN_TRIP),
    ("warm.damp_h", says("hours-over-2"), MEAN_TRIP),
    ("warm.wet_h", says("hours-water-on-coldest"), MEAN_TRIP),
    ("warm.condensed_kg", says("water-condensed"), MEAN_TRIP),
    ("warm.coldest_p10_c", says("coldest-cabin-in"), says("lowest-temperature-each-weather")),
    ("warm.hottest_p90_c", says("hottest-cabin-in"), says("highest-temperature-each-weather")),
    ("warm.cold_run_h", says("longest-under-setting-by"), says("longest-time-in-row")),
    ("warm.bay_h", says("hours-frost-in-bay"), MEAN_TRIP),
    ("warm.bay_frac", says("weathers-with-frost-in"), "weathers with frost ÷ weathers"),
    ("gas.capacity_kg", says("gas-that-comes-out"), says("vessels-filling-less-what")),
    ("gas.used_kg", says("gas-burnt"), MEAN_TRIP),
    ("gas.short_frac", says("trips-on-which-gas"), "weathers in which the vessels were empty ÷ weathers"),
    ("gas.first_d", says("gas-out"), HALF),
    ("water.used_l", says("water-used"), MEAN_TRIP),
    ("water.missing_l", says("water-missing"), MEAN_TRIP),
    ("generator.run_h", says("generator-hours"), MEAN_TRIP),
    ("generator.made_kwh", says("generator-energy"), MEAN_TRIP),
    ("generator.first_d", says("generators-fuel-out"), HALF),
    ("generator.short_frac", says("trips-on-which-generators"), "weathers in which it ran out ÷ weathers"),
    ("generator.burnt", says("generator-fuel"), MEAN_TRIP),
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
        "days": given("day_count", run.day_count, "typed", says("legs-trip"), says("trip")),
        "weathers": given(
            "draw_count",
            run.draw_count,
            "computed",
            says("years-files") if run.years else says("drawn-with-seed", seed=run.seed),
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
                says("part-all-sources", f_label=f.label),
                "this ÷ (sun + driving + hook-up)",
                f.value / whole,
                sun=come[0],
                driving=come[1],
                shore=come[2],
            )
    sun, lost = out["trip/sun_wh_day"], out["trip/curtailed_wh_day"]
    put("made_wh_day", says("sun-that-there-was"), says("used-found-full-bank"), sun.value + lost.value, used=sun, unused=lost)
    snow = out["trip/snow_wh_day"]
    put("snow_wh", says("sun-lost-to-snow-over"), "a day × days", snow.value * run.day_count, a_day=snow)
    if run.short_days_frac > 0:
        missing, short = out["trip/missing_wh_day"], out["trip/short_days_frac"]
        put("missing_bad_day_wh", says("missing-on-bad"), "missing a day ÷ short days", missing.value / short.value, missing=missing, short_days=short)
    for name, s in (run.water.stores if run.water else {}).items():
        put(f"water/{name}/capacity_l", says("capacity", name=name.capitalize()), says("what-tank-gives-or"), s.capacity_l)
        if s.first_d is not None:
            put(f"water/{name}/first_d", says("first-short", name=name.capitalize()), HALF, s.first_d)
    for i, frozen in enumerate([f for f in run.frost if f.nights][:3]):
        put(
            f"frost/{i}/nights_count",
            says("nights-below", frozen_name=frozen.name),
            says("on-which-below-in"),
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
