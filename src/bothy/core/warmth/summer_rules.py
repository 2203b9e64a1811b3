"""Findings of summer: cooling, cabinets, bays, drying (method warmth.heat-loss)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.finding import finding
from bothy.core.warmth.part import Warm
from bothy.core.warmth.rule_table import Found

HOT_INSIDE_C = 35.0


def summer_findings(ctx: Context, w: Warm) -> Found:
    """What they say of the hot day and the air conditioner."""
    c, cool = ctx.design.warmth.cooler, w.part.cool
    hottest = max(cool.free_c)
    if cool.free_running_c is not None and hottest > HOT_INSIDE_C:
        alone = ctx.design.warmth.left_alone or ctx.design.warmth.damp.dogs > 0
        yield finding(
            "warm-heat-danger",
            "cool",
            "Hot day",
            f"Without cooling the inside gets to {hottest:.0f} °C at {cool.hot_c:g} °C outside"
            + ("; people or animals are left in it. That can kill within an hour." if alone else "; leave nobody in it alone."),
            figures=["cool/free_running_temp_c"],
            severity=None if alone else "advice",
        )
    if c is None or cool.capacity_w is None:
        return
    if cool.capacity_w < cool.needed_w:
        yield finding(
            "warm-ac-undersized",
            "cooler",
            c.name,
            f"The cooler takes out {cool.capacity_w:.0f} W, and {cool.needed_w:.0f} W come in; without it the inside gets to {hottest:.0f} °C.",
            figures=["cool/needed_w"],
        )
    elif c.compressor == "fixed" and c.capacity_w > 1.6 * cool.needed_w:
        yield finding(
            "warm-ac-oversized",
            "cooler",
            c.name,
            f"The cooler takes out {c.capacity_w:.0f} W, and {cool.needed_w:.0f} W come in: it cools in bursts and leaves the air damp.",
            figures=["cool/needed_w"],
        )
    if cool.bank_h is not None and cool.bank_h < c.hours_wanted:
        yield finding(
            "warm-ac-hours",
            "cooler",
            c.name,
            f"The battery bank runs the cooler for {cool.bank_h:.1f} of {c.hours_wanted:g} h at the hottest, without any sun; it draws {cool.mean_w:.0f} W.",
            figures=["cool/time_h"] if w.summer.ac else [],
        )
    if cool.start_ok is False:
        yield finding(
            "warm-ac-surge",
            "cooler",
            c.name,
            f"The cooler takes {w.summer.ac.start_power_w if w.summer.ac else 0:.0f} W to start, more than the inverter gives for a moment.",
            figures=["cool/start_power_w"],
        )
    if cool.hose_w is not None and cool.hose_w > 0.15 * c.capacity_w:
        yield finding("warm-ac-hose", "cooler", c.name, f"The hose throws out {cool.hose_w:.0f} W of its {c.capacity_w:.0f} W.")


def bay_findings(ctx: Context, w: Warm) -> Found:
    """What they say of bays, cabinets and the drying cupboard."""
    for b in ctx.design.warmth.bays:
        p = w.part.bays[b.id]
        if b.water and not p.safe:
            yield finding(
                "warm-frost-bay",
                f"bay:{b.id}",
                b.name,
                f"The bay falls to {p.temp_c:.1f} °C at {ctx.cold_c:g} °C outside; {p.heat_w:.0f} W would keep it at 3 °C.",
            )
    for c in ctx.design.warmth.cabinets:
        r = w.part.cabinets[c.id]
        if r.ok is False:
            yield finding(
                "warm-cabinet-hot",
                f"cabinet:{c.id}",
                c.name,
                f"The cabinet gets to {r.temp_c:.0f} °C; what stands in it may get to {c.max_c:g} °C. It needs a low and a high vent of "
                f"{r.each_mm2:,.0f} mm² each, or a fan of {r.fan_m3_h:.0f} m³/h.",
            )
        if c.absorption_fridge and (not c.sealed_from_room or min(c.low_mm2 or 0, c.high_mm2 or 0) < 25000):
            yield finding(
                "warm-fridge-vent",
                f"cabinet:{c.id}",
                c.name,
                f"{'The fridge’s flue space is open to the room. ' if not c.sealed_from_room else ''}The fridge has {c.low_mm2 or 0:,.0f} mm² of "
                "vent low down and "
                f"{c.high_mm2 or 0:,.0f} mm² high up; it needs 25,000 mm² each.",
            )
    d = w.part.drying
    if d is not None and not d.works and ctx.design.warmth.drying is not None:
        yield finding(
            "warm-drying-slow",
            "drying",
            ctx.design.warmth.drying.name,
            f"The air takes off {d.carries_g_h:.0f} g/h at {d.temp_c:.0f} °C; {d.needs_g_h:.0f} g/h are needed, with {d.heat_w:.0f} W to evaporate it.",
        )
