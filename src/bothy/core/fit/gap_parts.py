"""Which parts of the catalogue go into a measured gap, and which way round (method fit.gap)."""

from __future__ import annotations

from pydantic import BaseModel

from bothy.core.catalogue.parts import parts
from bothy.core.catalogue.sheets import PartKind
from bothy.core.catalogue.things import usual_things
from bothy.core.fit.passing import GapOption, gap_options

TAPE_M, TERMINALS_M = 0.003, 0.05
LYING = frozenset({"lifepo4", "lto", "nmc"})
"""Chemistries whose makers often allow a case on its side; a lead battery stands upright."""


class GapPart(BaseModel):
    """A part in the gap: the best way to put it, and the least to spare in m; negative: so much is missing."""

    key: str
    name: str
    size_mm: list[float]
    mass_kg: float
    fits: bool
    spare_m: float
    way: GapOption


def parts_in_gap(kind: PartKind, gap: tuple[float, float, float]) -> list[GapPart]:
    """Parts of a kind against a gap (x, y, z in m), those that fit first, largest first. Lugs stand 50 mm over a battery; a charger wants its air."""
    out = []
    battery = kind == "battery"
    air = usual_things()["inverter"].clearance
    around = (0.0, 0.0, 0.0) if battery else (air[0], air[2], air[5])
    for p in parts().values():
        if p.kind != kind or min(p.length_mm, p.width_mm, p.height_mm) <= 0:
            continue
        upright = not battery or str(p.data.get("chemistry")) not in LYING
        size = (p.length_mm / 1000, p.width_mm / 1000, p.height_mm / 1000 + (TERMINALS_M if battery else 0.0))
        best = gap_options(size, gap, around, TAPE_M, upright)[0]
        out.append(
            GapPart(
                key=p.key,
                name=p.name,
                size_mm=[p.length_mm, p.width_mm, p.height_mm],
                mass_kg=p.mass_kg,
                fits=best.min_spare_m >= -1e-9,
                spare_m=best.min_spare_m,
                way=best,
            )
        )
    return sorted(out, key=lambda g: (0, -g.size_mm[0] * g.size_mm[1] * g.size_mm[2], g.key) if g.fits else (1, -g.spare_m, g.key))
