"""What the sources and the inverter put on their cables: passed from Power to Wiring by the report."""

from __future__ import annotations

from dataclasses import dataclass

from bothy.core.figure import Figure


@dataclass(frozen=True, slots=True)
class Feed:
    """Continuous current of a feed in A, as a figure, the nominal voltage of its cable in V, and the power behind it where it keeps its power."""

    current_a: Figure
    voltage_v: float
    power_w: float | None = None


Feeds = dict[str, Feed]
"""Which feed of a circuit (inverter, solar, solar:<array with a controller of its own>, driving, driving_in, shore) -> its current, for those that exist."""
