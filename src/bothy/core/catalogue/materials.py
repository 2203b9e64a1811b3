"""Building materials: a typed reader over data/materials.csv (typical design values; method warmth.materials)."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from functools import cache

from bothy.core.catalogue.table import rows, shipped


@dataclass(frozen=True, slots=True)
class Material:
    """One material: W/(m·K), kg/m³, J/(kg·K), vapour resistance factor; a fixed s_d in m where it has one; relative price per m² at a thickness in mm.

    ``form``: b board, f flexible, s sprayed or painted, empty for skins and glass.
    """

    key: str
    name: str
    conductivity_w_mk: float
    density_kg_m3: float
    specific_heat_j_kgk: float
    mu: float
    sd_m: float | None
    form: str
    cost: float | None
    cost_at_mm: float | None
    notes: str

    @property
    def insulates(self) -> bool:
        """Whether it counts as insulation (λ under 0.06 W/(m·K))."""
        return self.conductivity_w_mk < 0.06

    @property
    def fibrous(self) -> bool:
        """Whether vapour passes it almost as through air."""
        return self.mu <= 5 and self.insulates

    @property
    def within(self) -> str:
        """Its name within a sentence: small, but for abbreviations."""
        return " ".join(word if word.strip("()").isupper() else word.lower() for word in self.name.split())

    def price_m2(self, thickness_mm: float) -> float:
        """Relative price per m² at a thickness; 0 where the table has none."""
        return 0.0 if self.cost is None or not self.cost_at_mm else self.cost * thickness_mm / self.cost_at_mm


def read_materials(lines: Iterable[str]) -> dict[str, Material]:
    """Materials by key from the lines of a table. Raises BadCatalogue for a row that is none."""
    out = {}
    for r in rows("materials.csv", lines, "material"):
        out[r.text("material")] = Material(
            r.text("material"),
            r.text("name"),
            r.number("conductivity_w_mk"),
            r.number("density_kg_m3"),
            r.number("specific_heat_j_kgk"),
            r.number("mu"),
            r.number_or_none("sd_m"),
            r.text("form"),
            r.number_or_none("cost"),
            r.number_or_none("cost_at_mm"),
            r.text("notes"),
        )
    return out


@cache
def materials() -> dict[str, Material]:
    """All materials by key."""
    return read_materials(shipped("materials.csv"))
