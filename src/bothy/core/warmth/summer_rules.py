"""Findings of summer: cooling, cabinets, bays, drying (method warmth.heat-loss)."""

from __future__ import annotations

import re
from typing import Any

from bothy.core.context import Context
from bothy.core.daily_use import uncounted
from bothy.core.design.warmth import Cooler
from bothy.core.finding import finding
from bothy.core.warmth.part import Warm
from bothy.core.warmth.rule_table import Found
from bothy.core.words.says import warmth_says as says

HOT_INSIDE_C = 35.0


COOLER = r"air[- ]?con|(roof|split|portable)[- ]cooler"


def cooler_line(c: Cooler) -> dict[str, Any]:
    """The fields of an air conditioner's line in Daily use: what it draws at full load, for the hours that are wanted of it."""
    return {
        "name": c.name,
        "kind": "cooling",
        "zone": "roof",
        "supply": "dc" if c.supply == "native" else "ac",
        "away": c.supply == "inverter" and not c.hookup_only,
        "power_w": round(c.capacity_w / c.eer + c.fan_power_w),
        "hours_per_day": min(24.0, max(0.5, c.hours_wanted)),
        "start_multiple": 1.2 if c.compressor == "variable" else 5.0,
        "season_factors": {"winter": 0.0, "shoulder": 0.3},
        "trust": "catalogue",
    }


def summer_findings(ctx: Context, w: Warm) -> Found:
    """What they say of the hot day and the air conditioner."""
    c, cool = ctx.design.warmth.cooler, w.part.cool
    hottest = max(cool.free_c)
    if cool.free_running_c is not None and hottest > HOT_INSIDE_C:
        alone = ctx.design.warmth.left_alone or ctx.design.warmth.damp.dogs > 0
        yield finding(
            "warm-heat-danger",
            "cool",
            says("hot"),
            says("without-cooling-inside-gets", hottest_c=hottest, hot_c=cool.hot_c)
            + (says("people-or-animals-left") if alone else says("leave-nobody-in-alone")),
            figures=["cool/hottest_inside_c"],
            severity=None if alone else "advice",
        )
    if c is None:
        return
    if ctx.design.appliance(c.appliance or "") is None:
        others = [a for a in ctx.design.life.appliances if a.kind == "cooling" and a.count > 0 and re.search(COOLER, a.name.lower())]
        yield uncounted(ctx, "warm-cooler-uncounted", "cooler", c.name, "air-conditioner", cooler_line(c), "/warmth/cooler", others)
    if cool.capacity_w is None:
        return
    if cool.capacity_w < cool.needed_w:
        yield finding(
            "warm-ac-undersized",
            "cooler",
            c.name,
            says("cooler-takes-out-and", capacity_w=cool.capacity_w, needed_w=cool.needed_w, hottest_c=hottest),
            figures=["cool/needed_w"],
        )
    elif c.compressor == "fixed" and c.capacity_w > 1.6 * cool.needed_w:
        yield finding(
            "warm-ac-oversized",
            "cooler",
            c.name,
            says("cooler-takes-out-and-come", capacity_w=c.capacity_w, needed_w=cool.needed_w),
            figures=["cool/needed_w"],
        )
    if cool.bank_h is not None and cool.bank_h < c.hours_wanted:
        yield finding(
            "warm-ac-hours",
            "cooler",
            c.name,
            says("battery-bank-runs-cooler", bank_h=cool.bank_h, hours_wanted_h=c.hours_wanted, mean_w=cool.mean_w),
            figures=["cool/time_h"] if w.summer.ac else [],
        )
    if cool.start_ok is False:
        yield finding(
            "warm-ac-surge",
            "cooler",
            c.name,
            says("cooler-takes-to-start", start_power_w=w.summer.ac.start_power_w if w.summer.ac else 0),
            figures=["cool/start_power_w"],
        )
    if cool.hose_w is not None and cool.hose_w > 0.15 * c.capacity_w:
        yield finding("warm-ac-hose", "cooler", c.name, says("hose-throws-out", hose_w=cool.hose_w, capacity_w=c.capacity_w))


def bay_findings(ctx: Context, w: Warm) -> Found:
    """What they say of bays, cabinets and the drying cupboard."""
    for b in ctx.design.warmth.bays:
        p = w.part.bays[b.id]
        if b.water and not p.safe:
            yield finding(
                "warm-frost-bay",
                f"bay:{b.id}",
                b.name,
                says("bay-falls-to-at", temp_c=p.temp_c, cold_c=ctx.cold_c, heat_w=p.heat_w),
            )
    for c in ctx.design.warmth.cabinets:
        r = w.part.cabinets[c.id]
        if r.ok is False:
            yield finding(
                "warm-cabinet-hot",
                f"cabinet:{c.id}",
                c.name,
                says("cabinet-gets-to-what", temp_c=r.temp_c, max_c=c.max_c, each_mm2=r.each_mm2, fan_m3_h=r.fan_m3_h),
            )
        if c.absorption_fridge and (not c.sealed_from_room or min(c.low_mm2 or 0, c.high_mm2 or 0) < 25000):
            yield finding(
                "warm-fridge-vent",
                f"cabinet:{c.id}",
                c.name,
                says("fridges-flue-space-open", no_sealed_from_room=not c.sealed_from_room, low_mm2=c.low_mm2 or 0, high_mm2=c.high_mm2 or 0),
            )
    d = w.part.drying
    if d is not None and not d.works and ctx.design.warmth.drying is not None:
        yield finding(
            "warm-drying-slow",
            "drying",
            ctx.design.warmth.drying.name,
            says("air-takes-off-at", carries_g_h=d.carries_g_h, temp_c=d.temp_c, needs_g_h=d.needs_g_h, heat_w=d.heat_w),
        )
