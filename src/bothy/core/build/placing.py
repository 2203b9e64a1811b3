"""Which task takes a thing of the design: tries it on the bench, brings it in, joins it (method build.packs)."""

from __future__ import annotations

TAKEN_BY: dict[str, tuple[str, ...]] = {
    "power:bank": ("bench-charge", "place-batteries"),
    "power:inverter": ("bench-inverter", "sf-inverter"),
    "power:controller": ("bench-charge", "sf-solar"),
    "power:driving": ("bench-charge", "sf-dcdc"),
    "power:shore": ("sf-ac", "sf-inverter"),
    "power:array": ("fit-solar",),
    "power:generator": ("sf-ac",),
    "warmth:heater": ("bench-heater", "place-heater", "place-stove"),
    "warmth:cooler": ("bench-roof-ac", "fit-roof-ac"),
    "water:pump": ("bench-pump", "wet-fresh"),
    "water:tank": ("place-fresh-tank", "underslung-tanks"),
    "water:hot": ("place-water-heater",),
    "water:toilet": ("wet-toilet",),
    "gas:appliance": ("gas-appliances",),
    "gas:vessel": ("gas-locker",),
    "life:cooling": ("bench-fridge", "place-fridge"),
    "life:fan": ("bench-roof-fan", "fit-roof-fan"),
    "life:light": ("sf-loads",),
    "life:socket": ("sf-loads", "sf-ac"),
    "life:alarm": ("sf-alarms",),
}
"""What a thing is -> the tasks that may take it, the first that the plan has counts."""
BRINGS_IN = ("place-", "underslung-", "wet-toilet", "gas-appliances")
"""How the tasks begin that carry something large into the vehicle."""


def brought_in_by(kind: str) -> tuple[str, ...]:
    """The tasks that bring in a thing of a kind, where it is large enough to be barred by furniture."""
    return tuple(t for t in TAKEN_BY.get(kind, ()) if t.startswith(BRINGS_IN))
