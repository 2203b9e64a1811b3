"""How strongly things are held: accelerations by school (method vehicle.restraint)."""

from __future__ import annotations

from typing import Literal

from bothy.core.words.says import core_says as says

RestraintSchool = Literal["interior_10g", "converter_5g", "cargo_lashing", "boat_heel"]
ACCELERATIONS: dict[str, tuple[float, float, float, float]] = {
    "interior_10g": (10, 10, 10, 10),
    "converter_5g": (5, 3, 3, 1),
    "cargo_lashing": (0.8, 0.5, 0.5, 0.2),
    "boat_heel": (1.5, 1.5, 1.5, 1.0),
}
"""Forward, sideways, rearward and up in g."""
SCHOOLS = {
    "interior_10g": says("every-way"),
    "converter_5g": says("forward-sideways"),
    "cargo_lashing": says("forward"),
    "boat_heel": says("every-way-up-small"),
}
