"""How strongly things are held: accelerations by school (handbook 05 §4.7, chapter 07)."""

from __future__ import annotations

from typing import Literal

G = 9.80665
RestraintSchool = Literal["interior_10g", "converter_5g", "cargo_lashing"]
ACCELERATIONS: dict[str, tuple[float, float, float, float]] = {
    "interior_10g": (10, 10, 10, 10), "converter_5g": (5, 3, 3, 1), "cargo_lashing": (0.8, 0.5, 0.5, 0.2),
}  # fmt: skip
"""Forward, sideways, rearward and up in g."""
SCHOOLS = {"interior_10g": "10 g every way", "converter_5g": "5 g forward, 3 g sideways", "cargo_lashing": "0.8 g forward"}
