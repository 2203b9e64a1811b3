"""Sums of a run: the ledger's means, how likely a shortage is, what runs out first (method trips.results)."""

from __future__ import annotations

import math
from typing import Any, Literal

import numpy as np

from bothy.core.contract import Outcome
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.trips import places as k
from bothy.core.trips.engine import Result, simulate
from bothy.core.trips.trip import SimulateTripIn, plan_of
from bothy.core.words.says import trips_says as says

HERE = Method("trips.run", "mean of the draws")
LEDGER = (
    "pv_available_wh",
    "pv_used_wh",
    "curtailed_wh",
    "dcdc_wh",
    "shore_dc_wh",
    "shore_ac_wh",
    "load_demand_wh",
    "load_served_wh",
    "shed_wh",
    "unserved_wh",
    "inverter_loss_wh",
    "battery_in_wh",
    "battery_out_wh",
    "battery_loss_wh",
    "self_discharge_wh",
    "stored_delta_wh",
    "heat_wh",
    "heat_unserved_wh",
    "fresh_used_l",
    "water_unserved_l",
    "gas_used_kg",
    "diesel_used_l",
    "ghi_kwh_m2",
)
WHOLE_LEDGER = (
    *LEDGER,
    "cool_wh",
    "cool_unserved_wh",
    "heater_el_wh",
    "cooler_el_wh",
    "gains_wh",
    "heat_out_wh",
    "heat_stored_wh",
    "condensed_g",
    "bank_heat_wh",
    "snow_lost_wh",
    "generator_fuel",
    "generator_wh",
)
"""The ledger of the contract, and what a design adds to it: warmth, the bank's heater, snow, and a generator's fuel in L or kg."""
RESOURCES = ("electricity", "fresh_water", "grey_water", "toilet", "gas", "diesel")
EVENT_WORDS = ("load_disconnect", "load_reconnect", "shed", "restore")
EventWord = Literal["load_disconnect", "load_reconnect", "shed", "restore"]


class TripEvent(Outcome):
    time_d: float
    type: EventWord


class TripDraw(Outcome):
    ledger: dict[str, float]
    events: list[TripEvent]
    first_shortage_d: dict[str, float | None]
    short_day_count: int
    min_soc_frac: float
    tank_ends: dict[str, float]
    soc_series_frac: list[float] | None


class SimulateTripOut(Outcome):
    day_count: int
    draw_count: int
    pv_available_wh: float
    pv_used_wh: float
    curtailed_wh: float
    dcdc_wh: float
    shore_dc_wh: float
    shore_ac_wh: float
    load_demand_wh: float
    load_served_wh: float
    shed_wh: float
    unserved_wh: float
    inverter_loss_wh: float
    battery_in_wh: float
    battery_out_wh: float
    battery_loss_wh: float
    self_discharge_wh: float
    stored_delta_wh: float
    heat_wh: float
    heat_unserved_wh: float
    fresh_used_l: float
    water_unserved_l: float
    gas_used_kg: float
    diesel_used_l: float
    final_soc_frac: float
    ghi_kwh_m2: float
    lolp_frac: float
    trip_fail_frac: float
    solar_frac: float | None
    min_soc_p10_frac: float
    min_soc_p50_frac: float
    min_soc_p90_frac: float
    min_cabin_temp_c: float
    max_balance_error_wh: float
    generator_h_needed: float | None
    first_electricity_d: float | None
    first_fresh_water_d: float | None
    first_grey_water_d: float | None
    first_toilet_d: float | None
    first_gas_d: float | None
    first_diesel_d: float | None
    first_resource: str | None
    draws: list[TripDraw]


def balance_error(ledger: Any) -> float:
    """Largest energy in Wh by which an identity of a draw's ledger is off; it must be nothing. The last one is the cabin's heat."""
    x = dict(zip(WHOLE_LEDGER, np.asarray(ledger).T, strict=True))
    errors = (
        x["pv_used_wh"] + x["shore_dc_wh"] + x["dcdc_wh"] + x["shore_ac_wh"] + x["battery_out_wh"] - x["load_served_wh"] - x["battery_in_wh"],
        x["battery_in_wh"] - x["battery_out_wh"] - x["stored_delta_wh"] - x["battery_loss_wh"] - x["self_discharge_wh"],
        x["load_demand_wh"] - x["load_served_wh"] - x["shed_wh"] - x["unserved_wh"],
        x["pv_available_wh"] - x["pv_used_wh"] - x["curtailed_wh"],
        x["heat_wh"] + x["gains_wh"] - x["cool_wh"] - x["heat_out_wh"] - x["heat_stored_wh"],
    )
    return max(float(np.max(np.abs(e))) for e in errors)


def _draw(r: Result, d: int, series: bool) -> TripDraw:
    s = r.summary[d]
    firsts = dict(zip(RESOURCES, s[k.FIRST_ELECTRICITY : k.FIRST_DIESEL + 1], strict=True))
    ends = dict(zip(("soc_frac", "fresh_l", "grey_l", "toilet_l", "gas_kg", "diesel_l"), s[k.END_SOC : k.END_DIESEL + 1], strict=True))
    return TripDraw.of(
        ledger=dict(zip(LEDGER, map(float, r.ledger[d]), strict=False)),
        events=[TripEvent.of(time_d=t, type=EVENT_WORDS[w]) for t, w in r.draw_events(d)],
        first_shortage_d={name: float(v) if v >= 0 else None for name, v in firsts.items()},
        short_day_count=int(s[k.SHORT_DAYS]),
        min_soc_frac=float(s[k.LEAST_SOC]),
        tank_ends={name: float(v) for name, v in ends.items()},
        soc_series_frac=[float(v) for v in r.series[d, :, k.S_SOC]] if series else None,
    )


def simulate_trip(inp: SimulateTripIn, sources: dict[str, Figure] | None = None) -> SimulateTripOut:
    """A trip through its normals or through drawn weathers, with everything coupled. Method: trips.run."""
    plan = plan_of(inp)
    r = simulate(plan, series=inp.series)
    count, days = r.ledger.shape[0], len(plan.days)
    mean = {name: derived(name, says("sum-over-trip"), float(r.ledger[:, i].mean()), HERE, draw_count=count) for i, name in enumerate(LEDGER)}
    firsts: dict[str, float | None] = {}
    for i, name in enumerate(RESOURCES):
        found = r.summary[:, k.FIRST_ELECTRICITY + i]
        found = found[found >= 0]
        firsts[name] = float(found.min()) if found.size else None
    said = [(v, i) for i, v in enumerate(firsts.values()) if v is not None]
    short = float(r.short_day.sum())
    least = r.summary[:, k.LEAST_SOC]
    sources_wh = sum(mean[n].value for n in ("pv_used_wh", "dcdc_wh", "shore_dc_wh", "shore_ac_wh"))
    missing = mean["unserved_wh"].value + mean["shed_wh"].value

    def soc(key: str, part: float) -> Figure:
        return derived(
            key,
            says("draws-stay-above-or", part=part),
            float(np.percentile(least, 100 * part)),
            Method("trips.results", "least state of charge of each draw"),
            draw_count=count,
        )

    return SimulateTripOut.of(
        day_count=derived("day_count", says("plan"), days, Method("trips.results", "definition")),
        draw_count=derived("draw_count", "weathers", count, Method("trips.results", "definition")),
        **mean,
        final_soc_frac=derived("final_soc_frac", says("mean-draws-at-end"), float(r.summary[:, k.END_SOC].mean()), HERE),
        lolp_frac=derived(
            "lolp_frac",
            "days with a shortage of what is needed/(days·draws)",
            short / (days * count),
            Method("trips.results"),
            short_day_count=short,
            day_count=days,
            draw_count=count,
        ),
        trip_fail_frac=derived(
            "trip_fail_frac", says("draws-with-any"), float((r.short_day.sum(axis=1) > 0).mean()), Method("trips.results"), draw_count=count
        ),
        solar_frac=derived(
            "solar_frac",
            "sun/(sun + driving + hook-up)",
            mean["pv_used_wh"].value / sources_wh,
            Method("trips.results", "of the means"),
            pv_used_wh=mean["pv_used_wh"],
        )
        if sources_wh > 0
        else None,
        min_soc_p10_frac=soc("min_soc_p10_frac", 0.1),
        min_soc_p50_frac=soc("min_soc_p50_frac", 0.5),
        min_soc_p90_frac=soc("min_soc_p90_frac", 0.9),
        min_cabin_temp_c=derived("min_cabin_temp_c", says("coldest-all-draws"), float(r.summary[:, k.LEAST_CABIN].min()), HERE),
        max_balance_error_wh=derived(
            "max_balance_error_wh", says("largest-error-four-identities"), balance_error(r.ledger), Method("trips.results", "must be 0")
        ),
        generator_h_needed=derived(
            "generator_h_needed",
            "(unserved + shed)/charger",
            missing / inp.shore.charger_power_w,
            HERE,
            unserved_wh=mean["unserved_wh"],
            shed_wh=mean["shed_wh"],
        )
        if inp.shore.charger_power_w > 0
        else None,
        **{
            f"first_{name}_d": derived(f"first_{name}_d", says("earliest-all-draws-at"), v, HERE, draw_count=count) if v is not None else None
            for name, v in firsts.items()
        },
        first_resource=RESOURCES[min(said)[1]] if said else None,
        draws=[_draw(r, d, inp.series) for d in range(count)],
    )


def standard_error(short_day: Any) -> float:
    """Standard error of the share of short days: spread of the draws' own shares over the root of their number; nan for one draw."""
    own = np.asarray(short_day, dtype=float).mean(axis=1)
    return float(own.std(ddof=1) / math.sqrt(own.size)) if own.size > 1 else math.nan
