"""Kinds of vehicle: what is typical of each until its own values are typed (method vehicle.payload)."""

from __future__ import annotations

from dataclasses import dataclass

from bothy.core.words.says import core_says as says


@dataclass(frozen=True, slots=True)
class PresetFacts:
    """Typical values of a kind of vehicle: m, kg, V, A."""

    name: str
    inside: tuple[float, float, float]
    payload_kg: float
    vehicle_v: int
    alternator_a: float
    smart: bool


PRESETS: dict[str, PresetFacts] = {
    "small_van": PresetFacts(says("small-van"), (2.0, 1.4, 1.25), 550, 12, 120, True),
    "panel_van": PresetFacts(says("panel-van"), (3.3, 1.75, 1.85), 1000, 12, 180, True),
    "long_high_van": PresetFacts(says("long-high-van"), (4.3, 1.75, 1.95), 1200, 12, 180, True),
    "minibus": PresetFacts("minibus", (4.8, 1.85, 1.9), 1300, 12, 160, True),
    "bus": PresetFacts("bus", (9.0, 2.3, 2.0), 4000, 24, 120, False),
    "truck_body": PresetFacts(says("truck-body"), (4.5, 2.1, 2.05), 2500, 24, 110, False),
    "trailer": PresetFacts("trailer", (4.5, 2.1, 2.0), 900, 12, 0, False),
    "truck_camper": PresetFacts(says("truck-camper"), (2.6, 1.9, 1.9), 700, 12, 150, True),
    "boat": PresetFacts(says("small-boat"), (6.0, 2.2, 1.85), 1500, 12, 90, False),
}
