"""Findings of heaters: size, fuel, exhaust, service (method warmth.heat-loss)."""

from __future__ import annotations

import re
from collections.abc import Iterator

from bothy.core.context import Context
from bothy.core.design.warmth import Heater
from bothy.core.finding import Finding, finding
from bothy.core.places import places_of
from bothy.core.warmth.heating import BURNT
from bothy.core.warmth.part import Warm
from bothy.core.warmth.rule_table import Found

THIN_AIR_M = 1500.0
COLD_SEASON_C = 0.0
"""A design cold below this asks for a heater."""
ENDS = {"under": "under the floor", "forward": "to the front", "up": "upwards"}


def missing_findings(ctx: Context, w: Warm) -> Found:
    """What is missing though nothing was said of warmth yet: a heater in the cold, or one of Life that burns fuel and is not described here."""
    d, p = ctx.design.warmth, w.part
    linked = {h.appliance for h in d.heaters}
    for a in ctx.design.life.appliances:
        if (
            a.kind == "heating"
            and a.count > 0
            and a.id not in linked
            and re.search(r"diesel|petrol|gas|paraffin|kerosene|wood|stove", a.name.lower())
            and "water" not in a.name.lower()
        ):
            yield finding(
                "warm-heater-unlisted", a.id, a.name, "Daily use counts the electricity of this heater; its fuel, exhaust and heat are not described yet."
            )
    if not d.heaters:
        warms = any(a.kind == "heating" and a.count > 0 for a in ctx.design.life.appliances)
        if ctx.cold_c < COLD_SEASON_C and not warms and (ctx.design.life.appliances or d.begun):
            yield finding(
                "warm-heater-missing",
                "heating",
                "Heating",
                f"In the planned months it gets to {ctx.cold_c:.0f} °C outside; {p.needed_w:,.0f} W keep it at {ctx.indoor_c:g} °C, and there is no heater.",
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
            f"The heaters give {together:.0f} W at this height, and {p.needed_w:.0f} W are needed with the margin: {ctx.indoor_c:g} °C inside hold down to "
            f"{held:.0f} °C outside.",
            figures=["warmth/design_heat_w", f"heaters/{main.id}/available_w"],
        )
    elif together > 2.5 * p.needed_w:
        yield finding(
            "warm-heater-oversized",
            subject,
            main.name,
            f"The heaters give {together:.0f} W, and {p.needed_w:.0f} W are needed: most of the time they run low or go on and off.",
            figures=["warmth/design_heat_w", f"heaters/{main.id}/available_w"],
        )
    for h in d.heaters:
        yield from _one_heater(ctx, w, h)


def _one_heater(ctx: Context, w: Warm, h: Heater) -> Found:
    subject, r = f"heater:{h.id}", h.routes
    size, fuel = w.heat.sizes[h.id], w.heat.fuels[h.id]

    def say(rule: str, message: str, **more: object) -> Finding:
        return finding(rule, subject, h.name, message, **more)  # type: ignore[arg-type]

    if h.fuel in BURNT and size.cycles_when_mild:
        yield say(
            "warm-heater-cycling",
            f"At 8 °C outside the heater runs {size.mild_duty_frac:.0%} of the time; above {size.cycles_above_temp_c:.0f} °C it goes on and off.",
            figures=[f"heaters/{h.id}/cycles_above_temp_c"],
            **(
                {"severity": "note", "remedy": "Run the heater at full output for 20 minutes a week to keep it clean; a smaller one doesn’t hold the cold."}
                if h.by == "proposal"
                else {}
            ),
        )
    highest = max([ctx.climate.elevation_m, *(_leg_heights(ctx))])
    if h.fuel in ("diesel", "petrol", "kerosene") and highest > THIN_AIR_M and not h.altitude_kit:
        yield say("warm-heater-altitude", f"At {highest:,.0f} m above the sea the heater has {size.available_w / h.max_w:.0%} of its output, and it soots.")
    if h.kind == "stove" or h.fuel == "wood":
        yield say(
            "warm-wood-clearance",
            (
                f"The stove gives up to {h.max_w / 1000:.1f} kW. It needs 400 mm to what can burn and 600 mm before it, a hearth and outside air, and it "
                "is out on the road."
            ),
        )
    if h.fuel in BURNT and (r.intake_inside or (not h.room_sealed and h.kind != "stove")):
        yield say("warm-combustion-air", "The heater’s combustion air comes from the living space, and with it burnt gas can come back.")
    if r.exhaust_end_mm is not None and r.exhaust_end_mm < 500:
        yield say(
            "warm-exhaust-opening",
            f"The exhaust ends {r.exhaust_end_mm:.0f} mm from an opening or air intake. It should end at least 500 mm away: exhaust gas can kill.",
        )
    if r.exhaust_end in ("under", "forward", "up"):
        yield say("warm-exhaust-under", f"The exhaust ends {ENDS[r.exhaust_end]}, from where its gas is drawn back inside.")
    if r.joint_inside:
        yield say("warm-exhaust-joint", "A joint or flexible part of the exhaust lies in the living space.")
    least = 50 if r.exhaust_sleeved else 100
    if r.exhaust_to_combustible_mm is not None and r.exhaust_to_combustible_mm < least:
        yield say(
            "warm-exhaust-heat",
            f"The exhaust passes {r.exhaust_to_combustible_mm:.0f} mm from something that burns, a tyre, a cable or a line. "
            f"{'With' if r.exhaust_sleeved else 'Without'} a heat sleeve it should keep at least {least} mm away.",
        )
    bent = []
    if r.exhaust_length_mm is not None and r.exhaust_length_mm > 2000:
        bent.append(f"it is {r.exhaust_length_mm:.0f} mm long; at most 2000 mm are allowed")
    if r.exhaust_bends_deg is not None and r.exhaust_bends_deg > 270:
        bent.append(f"its bends add up to {r.exhaust_bends_deg:.0f}°; at most 270° are allowed")
    if r.exhaust_low_point and not r.exhaust_drain:
        bent.append("it has a low point without a drain hole")
    if bent:
        yield say("warm-exhaust-length", "Of the exhaust: " + "; ".join(bent) + ".")
    if r.fuel_joint_inside:
        yield say("warm-fuel-joint", "A joint of the fuel line, or its tank, lies in the living space.")
    pump = []
    if r.pump_slope_deg is not None and not 15 <= r.pump_slope_deg <= 35:
        pump.append(f"it slopes {r.pump_slope_deg:.0f}° instead of 15 to 35°")
    if r.suction_m is not None and r.suction_m > 1:
        pump.append(f"it sucks {r.suction_m:.1f} m up; at most 1 m is allowed")
    if pump:
        yield say("warm-fuel-pump", "Of the fuel pump: " + "; ".join(pump) + ".")
    if r.service_clear_mm is not None and r.service_clear_mm < 200:
        yield say("warm-heater-access", f"The heater’s service side has {r.service_clear_mm:.0f} mm of free space; it needs at least 200 mm.")
    if r.feed_switched:
        yield say("warm-heater-purge", "The heater’s feed passes a switch or the main switch: cut off hot, the heater overheats.")
    days = sum(x.days_count for x in ctx.design.trips.legs) if ctx.design.trips.legs else ctx.nights
    if fuel.autonomy_days is not None and fuel.autonomy_days < min(days, 14):
        used = f"{fuel.fuel_l_day:.1f} L" if fuel.fuel_l_day is not None else f"{fuel.fuel_kg_day:.1f} kg"
        yield say(
            "warm-fuel-days",
            f"The fuel lasts {fuel.autonomy_days:.1f} days at the design cold, at {used} a day; {min(days, 14):.0f} days are planned.",
            figures=[f"heaters/{h.id}/autonomy_days"],
        )
    bank = ctx.design.power.bank
    if bank is not None and h.fuel != "electric":
        usable = bank.unit_voltage_v * bank.unit_charge_ah * bank.series_count * bank.parallel_count * ctx.usable_frac
        if fuel.electrical_wh_day > 0.15 * usable:
            yield say(
                "warm-heater-energy",
                f"The heater uses {fuel.electrical_wh_day:.0f} Wh of electricity a day, of the {usable:.0f} Wh that the battery bank gives.",
                figures=[f"heaters/{h.id}/electrical_wh_day"],
            )


def _leg_heights(ctx: Context) -> Iterator[float]:
    known = places_of(ctx.design)
    for leg in ctx.design.trips.legs:
        if leg.place in known:
            yield known[leg.place].elevation_m
