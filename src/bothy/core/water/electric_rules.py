"""Rules of what Water takes from the electrics: elements and tank heaters that nobody counted, or that ask for more than there is."""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Any

from bothy.core.context import Context
from bothy.core.contract import EPS
from bothy.core.daily_use import line_in_daily_use, uncounted
from bothy.core.design.life import Appliance
from bothy.core.finding import Finding, finding
from bothy.core.water.heat_and_frost import frost_use
from bothy.core.water.part import Wet
from bothy.core.words.says import water_says as says

LESS = 0.9
"""A line of Daily use that counts less than this part of a heater’s power is wrong."""


def electric_findings(ctx: Context, w: Wet) -> Iterator[Finding]:
    """What they say of the water heater's element and of the tanks' heaters."""
    d = ctx.design.water
    h, p = d.hot, w.part.hot
    if h is not None and p is not None and h.element and h.element_w > 0:
        if h.element_supply == "shore":
            yield from _hookup(ctx, h.name, h.element_w)
        else:
            hours = (h.heatings_day * (p.stored_wh or 0.0) + 24 * (p.standing_w or 0.0)) / h.element_w
            use = {
                "supply": "dc" if h.element_supply == "dc" else "ac",
                "away": h.element_supply == "inverter",
                "zone": "washroom",
                "kind": "other",
                "hours_per_day": round(min(24.0, max(0.1, hours)), 1),
            }
            yield from _counted(ctx, "hot", "/water/hot", None, h.name, h.element_w, h.appliance, use)
    if d.pump is not None and ctx.design.appliance(d.pump.appliance or "") is None:
        q = w.part.pump
        line = pump_line(d.pump.name, (q.current_a if q else 0.0) * ctx.bank_v, ctx.system_v)
        yield uncounted(ctx, "water-pump-uncounted", "pump", d.pump.name, "water-pump", line, "/water/pump", pump_lines(ctx))
    for i, t in enumerate(d.tanks):
        if t.heater_w > 0:
            yield from _counted(ctx, f"tank:{t.id}", f"/water/tanks/{i}", t.id, says("heater-of", name=t.name), t.heater_w, t.appliance, frost_use(ctx))


def pump_lines(ctx: Context) -> list[Appliance]:
    """Pumps of Daily use that may be the one of the taps: neither of waste, rain or bilge."""
    return [
        a for a in ctx.design.life.appliances if a.kind == "pump" and a.count > 0 and not re.search(r"grey|gray|waste|rain|bilge|shower drain", a.name.lower())
    ]


USUAL_PUMP_W = 60.0


def pump_line(name: str, watts: float, system_v: float) -> dict[str, Any]:
    """The fields of the pump's line in Daily use; ``watts`` 0: not known yet, then what is usual."""
    return {
        "name": name,
        "kind": "pump",
        "zone": "kitchen",
        "power_w": round(watts, 1) or USUAL_PUMP_W,
        "uses_per_day": 12.0,
        "minutes_per_use": 0.5,
        "start_multiple": 3.0,
        "coincidence_frac": 0.5,
        "min_voltage_v": 0.8 * system_v,
        "trust": "catalogue",
    }


def _hookup(ctx: Context, name: str, watts: float) -> Iterator[Finding]:
    """An element that runs from the hook-up alone must be within what the hook-up gives."""
    shore = ctx.design.power.shore
    said = [a for a in (shore.supply_current_a, shore.inlet_current_a) if a] if shore is not None else []
    limit = min(said, default=ctx.region.inlet_a) * ctx.region.mains_v
    if watts > limit + EPS:
        yield finding("water-element-hookup", "hot", name, says("element-takes-more-than", element_w=watts, limit_w=limit))


def _counted(ctx: Context, subject: str, item: str, id: str | None, name: str, watts: float, appliance: str | None, use: dict[str, Any]) -> Iterator[Finding]:
    """A heater on the battery must stand among the appliances with its power: its cable, its fuse and the bank are sized from there. ``item`` with its
    ``id`` is where it stands in the design."""
    line = ctx.design.appliance(appliance) if appliance else None
    if line is None:
        fields = {"name": name[:120], "power_w": watts, **use}
        fix = line_in_daily_use(ctx, "water-heater", fields, item, id)
        yield finding("water-heater-uncounted", subject, name, says("heater-takes-and-isnt", watts_w=watts, amps_a=watts / ctx.bank_v), fix=fix)
    elif line.power_w is not None and line.power_w * line.count < LESS * watts:
        yield finding("water-heater-uncounted", subject, name, says("heater-takes-but-line", watts_w=watts, line=line.name, line_w=line.power_w * line.count))
