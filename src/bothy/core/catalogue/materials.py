"""Building materials: a typed reader over data/materials.csv (typical design values; method warmth.materials)."""

from __future__ import annotations

import csv
from dataclasses import dataclass
from functools import cache
from importlib import resources


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

    def price_m2(self, thickness_mm: float) -> float:
        """Relative price per m² at a thickness; 0 where the table has none."""
        return 0.0 if self.cost is None or not self.cost_at_mm else self.cost * thickness_mm / self.cost_at_mm


def _maybe(text: str) -> float | None:
    return float(text) if text else None


@cache
def materials() -> dict[str, Material]:
    """All materials by key."""
    out = {}
    with (resources.files(__package__) / "data" / "materials.csv").open(encoding="utf-8") as file:
        for r in csv.DictReader(file):
            out[r["material"]] = Material(
                r["material"],
                r["name"],
                float(r["conductivity_w_mk"]),
                float(r["density_kg_m3"]),
                float(r["specific_heat_j_kgk"]),
                float(r["mu"]),
                _maybe(r["sd_m"]),
                r["form"],
                _maybe(r["cost"]),
                _maybe(r["cost_at_mm"]),
                r["notes"],
            )
    return out
