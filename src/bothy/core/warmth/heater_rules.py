"""Findings of heaters: size, fuel, exhaust, service (method warmth.heat-loss)."""

from __future__ import annotations

import re
from collections.abc import Iterator
from statistics import fmean
from typing import Any

from bothy.core.context import Context
from bothy.core.daily_use import uncounted
from bothy.core.design.life import Appliance
from bothy.core.design.warmth import Heater
from bothy.core.finding import Finding, finding
from bothy.core.places import places_of
from bothy.core.power.load_budget import SEASONS
from bothy.core.warmth.heating import BURNT, fuel_of
from bothy.core.warmth.part import Warm
from bothy.core.warmth.rule_table import Found
from bothy.core.words.says import warmth_says as says

THIN_AIR_M = 1500.0
COLD_SEASON_C = 0.0
"""A design cold below this asks for a heater."""
ENDS = {"under": says("under-floor"), "forward": says("to-front"), "up": "upwards"}


def missing_findings(ctx: Context, w: Warm) -> Found:
    """What is missing though nothing was said of warmth yet: a heater in the cold, or one of Life that burns fuel and is not described here."""
    d, p = ctx.design.warmth, w.part
    linked = {h.appliance for h in d.heaters}
    asked = any(draws(h) and h.appliance is None for h in d.heaters)
    for a in ctx.design.life.appliances:
        if (
            not asked
            and a.kind == "heating"
            and a.count > 0
            and a.id not in linked
            and re.search(r"diesel|petrol|gas|paraffin|kerosene|wood|stove", a.name.lower())
            and "water" not in a.name.lower()
        ):
            yield finding("warm-heater-unlisted", a.id, a.name, says("daily-use-counts-electricity"))
    if not d.heaters:
        warms = any(a.kind == "heating" and a.count > 0 for a in ctx.design.life.appliances)
        if ctx.cold_c < COLD_SEASON_C and not warms and (ctx.design.life.appliances or d.begun):
            yield finding(
                "warm-heater-missing",
                "heating",
                says("heating"),
                says("in-planned-months-gets", cold_c=ctx.cold_c, needed_w=p.needed_w, indoor_c=ctx.indoor_c),
                figures=["warmth/design_heat_w"],
            )


def heater_findings(ctx: Context, w: Warm) -> Found:
    """What they say of the heaters."""
    d, p = ctx.design.warmth, w.part
    if not d.heaters:
        return
    together = sum(s.available_w for s in w.heat.sizes.values())
    main = d.heaters[0]
    subject = f"heater:{main.id}"
    if together < p.needed_w:
        held = w.heat.sizes[main.id].holds_down_to_temp_c if len(d.heaters) == 1 else ctx.indoor_c - together / p.ua_w_k
        yield finding(
            "warm-heater-undersized",
            subject,
            main.name,
            says("heaters-give-at-this", together_w=together, needed_w=p.needed_w, indoor_c=ctx.indoor_c, held_c=held),
            figures=["warmth/design_heat_w", f"heaters/{main.id}/available_w"],
        )
    elif together > 2.5 * p.needed_w:
        yield finding(
            "warm-heater-oversized",
            subject,
            main.name,
            says("heaters-give-and-needed", together_w=together, needed_w=p.needed_w),
            figures=["warmth/design_heat_w", f"heaters/{main.id}/available_w"],
        )
    for i, h in enumerate(d.heaters):
        yield from _one_heater(ctx, w, h)
        if draws(h) and ctx.design.appliance(h.appliance or "") is None:
            line = heater_line(ctx, w, h)
            yield uncounted(ctx, "warm-heater-uncounted", f"heater:{h.id}", h.name, "heater", line, f"/warmth/heaters/{i}", lines_left(ctx), h.id)


GLOW_W = 100.0
"""What a glow plug takes while a burner of liquid fuel starts (typical; 8 to 15 A at 12 V)."""


USUAL_RUN_W = 25.0
"""Fan and metering pump of a small burner (typical, 8 to 45 W)."""
BLOWN = ("air", "combined")
"""Kinds that move the air by a fan of their own, whatever they burn."""
GLOWS = ("diesel", "petrol", "kerosene")


def draws(h: Heater) -> bool:
    """Whether a heater takes electricity of its own: fan, pump, glow plug or element."""
    return h.run_max_w > 0 or h.kind in BLOWN or h.fuel in ("electric", *GLOWS)


def heater_line(ctx: Context, w: Warm, h: Heater, share: float = 1.0) -> dict[str, Any]:
    """The fields of a heater's line in Daily use: what it draws while it runs and at its start, and on the mean day of each season.

    ``share``: its part of the vehicle's heat.
    """
    if h.fuel == "electric":
        return {"name": h.name, "kind": "heating", "zone": "living", "supply": "ac", "power_w": h.max_w, "hours_per_day": 8.0, "trust": "catalogue"}
    power = round(max(1.0, (h.run_min_w + h.run_max_w) / 2), 1) if h.run_max_w else USUAL_RUN_W
    used = {s: fmean(_wh_day(ctx, h, share * w.part.months[m - 1].heat_w, power) for m in ctx.season_months(s)) for s in SEASONS}
    most = max(used.values())
    return {
        "name": h.name,
        "kind": "heating",
        "zone": "living",
        "supply": "dc",
        "power_w": power,
        "hours_per_day": round(min(24.0, max(0.5, most / power)), 1),
        "start_multiple": round(max(1.5, GLOW_W / power), 1) if h.fuel in GLOWS else 1.5,
        "min_voltage_v": 0.875 * ctx.system_v,
        "season_factors": {s: round(wh / most, 2) for s, wh in used.items()} if most > 0 else {},
        "trust": "catalogue",
    }


def _wh_day(ctx: Context, h: Heater, heat_w: float, power_w: float) -> float:
    """What a heater draws on a day of that mean heat: nobody lets it go on and off all day, it is on for as long as its least heat takes.

    Where nothing is entered of its current it draws ``power_w``.
    """
    if heat_w <= 0:
        return 0.0
    hours = min(24.0, 24.0 * heat_w / (h.min_w or h.max_w))
    on_w = max(h.min_w, heat_w * 24 / hours)
    return fuel_of(ctx, h, on_w, hours).electrical_wh_day if h.run_max_w else power_w * hours


def lines_left(ctx: Context) -> list[Appliance]:
    """Heaters of Daily use that no heater of Heat and air is linked to; no blankets and no heaters of water."""
    linked = {h.appliance for h in ctx.design.warmth.heaters}
    return [
        a
        for a in ctx.design.life.appliances
        if a.kind == "heating" and a.count > 0 and a.id not in linked and not re.search(r"water|blanket|scope|dew|pad|tank|toe|towel", a.name.lower())
    ]


def _one_heater(ctx: Context, w: Warm, h: Heater) -> Found:
    subject, r = f"heater:{h.id}", h.routes
    size, fuel = w.heat.sizes[h.id], w.heat.fuels[h.id]

    def say(rule: str, message: str, **more: object) -> Finding:
        return finding(rule, subject, h.name, message, **more)  # type: ignore[arg-type]

    if h.fuel in BURNT and size.cycles_when_mild:
        yield say(
            "warm-heater-cycling",
            says("at-outside-heater-runs", mild_duty_frac=size.mild_duty_frac, cycles_above_temp_c=size.cycles_above_temp_c),
            figures=[f"heaters/{h.id}/cycles_above_temp_c"],
            **({"severity": "note", "remedy": says("run-heater-at-full")} if h.by == "proposal" else {}),
        )
    highest = max([ctx.climate.elevation_m, *(_leg_heights(ctx))])
    if h.fuel in ("diesel", "petrol", "kerosene") and highest > THIN_AIR_M and not h.altitude_kit:
        yield say("warm-heater-altitude", says("at-above-sea-heater", highest_m=highest, available_w=size.available_w / h.max_w))
    if h.kind == "stove" or h.fuel == "wood":
        yield say(
            "warm-wood-clearance",
            (says("stove-gives-up-to", max_kw=h.max_w / 1000)),
        )
    if h.fuel in BURNT and (r.intake_inside or (not h.room_sealed and h.kind != "stove")):
        yield say("warm-combustion-air", says("heaters-combustion-air-comes"))
    if r.exhaust_end_mm is not None and r.exhaust_end_mm < 500:
        yield say(
            "warm-exhaust-opening",
            says("exhaust-ends-from-opening", exhaust_end_mm=r.exhaust_end_mm),
        )
    if r.exhaust_end in ("under", "forward", "up"):
        yield say("warm-exhaust-under", says("exhaust-ends-from-where", ends=ENDS[r.exhaust_end]))
    if r.joint_inside:
        yield say("warm-exhaust-joint", says("joint-or-flexible-part"))
    least = 50 if r.exhaust_sleeved else 100
    if r.exhaust_to_combustible_mm is not None and r.exhaust_to_combustible_mm < least:
        yield say(
            "warm-exhaust-heat",
            says(
                "exhaust-passes-from-something", exhaust_to_combustible_mm=r.exhaust_to_combustible_mm, exhaust_sleeved=bool(r.exhaust_sleeved), least_mm=least
            ),
        )
    bent = []
    if r.exhaust_length_mm is not None and r.exhaust_length_mm > 2000:
        bent.append(says("long-at-most-allowed", exhaust_length_mm=r.exhaust_length_mm))
    if r.exhaust_bends_deg is not None and r.exhaust_bends_deg > 270:
        bent.append(says("bends-add-up-to", exhaust_bends_deg=r.exhaust_bends_deg))
    if r.exhaust_low_point and not r.exhaust_drain:
        bent.append(says("has-low-point-without"))
    if bent:
        yield say("warm-exhaust-length", says("exhaust") + "; ".join(bent) + ".")
    if r.fuel_joint_inside:
        yield say("warm-fuel-joint", says("joint-fuel-line-or"))
    pump = []
    if r.pump_slope_deg is not None and not 15 <= r.pump_slope_deg <= 35:
        pump.append(says("slopes-instead-to", pump_slope_deg=r.pump_slope_deg))
    if r.suction_m is not None and r.suction_m > 1:
        pump.append(says("sucks-up-at-most", suction_m=r.suction_m))
    if pump:
        yield say("warm-fuel-pump", says("fuel-pump") + "; ".join(pump) + ".")
    if r.service_clear_mm is not None and r.service_clear_mm < 200:
        yield say("warm-heater-access", says("heaters-service-side-has", service_clear_mm=r.service_clear_mm))
    if r.feed_switched:
        yield say("warm-heater-purge", says("heaters-feed-passes-switch"))
    days = sum(x.days_count for x in ctx.design.trips.legs) if ctx.design.trips.legs else ctx.nights
    if fuel.autonomy_days is not None and fuel.autonomy_days < min(days, 14):
        used = f"{fuel.fuel_l_day:.1f} L" if fuel.fuel_l_day is not None else f"{fuel.fuel_kg_day:.1f} kg"
        yield say(
            "warm-fuel-days",
            says("fuel-lasts-at-design", autonomy_days=fuel.autonomy_days, used=used, days=min(days, 14)),
            figures=[f"heaters/{h.id}/autonomy_days"],
        )
    bank = ctx.design.power.bank
    if bank is not None and h.fuel != "electric":
        usable = bank.unit_voltage_v * bank.unit_charge_ah * bank.series_count * bank.parallel_count * ctx.usable_frac
        if fuel.electrical_wh_day > 0.15 * usable:
            yield say(
                "warm-heater-energy",
                says("heater-uses-electricity-that", electrical_wh_day=fuel.electrical_wh_day, usable_wh=usable),
                figures=[f"heaters/{h.id}/electrical_wh_day"],
            )


def _leg_heights(ctx: Context) -> Iterator[float]:
    known = places_of(ctx.design)
    for leg in ctx.design.trips.legs:
        if leg.place in known:
            yield known[leg.place].elevation_m
