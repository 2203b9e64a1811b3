"""What of the gas burns in the room, for its fixed vents (method warmth.ventilation)."""

from __future__ import annotations

from bothy.core.context import Context
from bothy.core.design.gas import GasAppliance
from bothy.core.gas.use import APPLIANCES

UNFLUED = ("hob_burner", "oven", "grill")
HEATS = ("space_heater", "water_heater", "combi_heater", "instant_water_heater")


def input_w(a: GasAppliance) -> float:
    """Heat input of one piece, as on its plate or usual of its kind."""
    return a.heat_input_w if a.heat_input_w is not None else APPLIANCES[a.kind][0]


def room_inputs(ctx: Context) -> tuple[float, float]:
    """Heat input in W that burns in the room without a flue, and that takes its air from the room with one: Gas's appliances, and Warmth's heaters
    that Gas doesn't list."""
    said = [(a.kind, input_w(a) * a.count, a.room_sealed) for a in ctx.design.gas.appliances]
    unflued = sum(w for kind, w, _ in said if kind in UNFLUED)
    flued = sum(w for kind, w, sealed in said if (kind in HEATS or kind == "fridge") and not sealed)
    listed = {a.heater for a in ctx.design.gas.appliances}
    others = [h for h in ctx.design.warmth.heaters if h.burns_gas and not h.room_sealed and h.id not in listed]
    return unflued, flued + sum(h.max_w for h in others)
