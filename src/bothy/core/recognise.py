"""What an appliance is, told from its name: words as people write them, in the four regions' English (typical values)."""

from __future__ import annotations

import re
from typing import NamedTuple

from bothy.core.design.life import Appliance


class Water(NamedTuple):
    """Fresh water a use in L, and what it is of."""

    litres: float
    why: str


WATER: tuple[tuple[str, Water], ...] = (
    (r"wash(ing)?[- ]?machine|\bwasher\b|washer[- ]?dryer|twin[- ]?tub", Water(30.0, "compact washing machine, one load")),
    (r"dish[- ]?washer", Water(8.0, "table-top dishwasher, one load")),
    (r"pressure[- ]?wash", Water(40.0, "pressure washer, ten minutes at a low setting")),
)
"""Words of a name, and the usual water of one use (typical). What coffee and ice makers take is drinking water, counted as such."""
OWN_WATER = r"\bpump\b|water heater|shower"
"""What moves or heats water that is counted elsewhere."""


def water_of(a: Appliance) -> tuple[float, str]:
    """Litres that one use of an appliance takes, and where the value comes from; 0 where it takes none."""
    if a.water_l_per_use is not None:
        return a.water_l_per_use, "typed"
    name = a.name.lower()
    if a.kind in ("pump", "heating") or re.search(OWN_WATER, name):
        return 0.0, ""
    for words, water in WATER:
        if re.search(words, name):
            return water.litres, water.why
    return 0.0, ""


def uses_a_day(a: Appliance) -> float:
    """How often an appliance is used on a day: as typed; else one use for each hour that it runs, at least one where it runs at all."""
    if a.uses_per_day is not None:
        return a.uses_per_day * a.count
    if a.hours_per_day is not None:
        return max(1.0, a.hours_per_day) * a.count if a.hours_per_day > 0 else 0.0
    return float(a.count)


BILGE = r"\bbilge\b"


def stays_on(a: Appliance) -> bool:
    """Whether it must run while the isolator is off: as typed, else a bilge pump by its name."""
    return a.always_on if a.always_on is not None else bool(re.search(BILGE, a.name.lower()))


CHARTS = r"\b(vhf|radio|gps|chart|plotter|navigation|ais|radar|autopilot|compass|sounder)\b"
"""Navigation and radio, which must work at a low voltage too."""


def tolerant(a: Appliance) -> bool:
    """Whether an appliance stands a tenth of the voltage lost: lights, sockets, fans, adapters and chargers of electronics; not navigation and radio."""
    if a.kind in ("light", "socket", "fan"):
        return True
    return (a.kind == "electronics" or a.supply == "converter") and not re.search(CHARTS, a.name.lower())
