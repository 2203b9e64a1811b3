"""Roof fans, rooflights, windows, vents, inlets and what else goes through roof, walls or floor, with cut-outs and clamps (sample parts of invented makers)."""

from __future__ import annotations

from collections.abc import Iterable
from functools import cache

from pydantic import BaseModel

from bothy.core.catalogue.table import rows, shipped
from bothy.core.words.says import catalogue_says as says


class OpeningPart(BaseModel):
    """A part that goes through a roof, a wall or the floor: size outside,
    cut-out with its corner radius, thickness that its clamp takes and its gasket, mm; kg; price in euro."""

    key: str
    kind: str
    maker: str
    name: str
    size_mm: list[float]
    cut_length_mm: float
    cut_width_mm: float
    radius_mm: float
    clamp_min_mm: float | None
    clamp_max_mm: float | None
    gasket_mm: float | None
    mass_kg: float
    price: float


def read_openings(lines: Iterable[str]) -> dict[str, OpeningPart]:
    """Parts by key from the lines of a table. Raises :class:`bothy.core.catalogue.table.BadCatalogue` for a cut that its flange doesn't cover."""
    out = {}
    for r in rows("openings.csv", lines, "key"):
        size = (r.number("length_mm"), r.number("width_mm"), r.number("height_mm"))
        cut = (r.number("cut_length_mm"), r.number("cut_width_mm"))
        if cut[0] >= size[0] or cut[1] >= size[1]:
            raise r.wrong("cut_length_mm", f"a cut of {cut[0]:g} × {cut[1]:g} mm is not covered by {size[0]:g} × {size[1]:g} mm")
        radius = r.number("radius_mm")
        if 2 * radius > min(cut):
            raise r.wrong("radius_mm", says("two-corners-dont-go", radius_mm=radius, cut_mm=min(cut)))
        low, high = r.number_or_none("clamp_min_mm"), r.number_or_none("clamp_max_mm")
        if low is not None and high is not None and high < low:
            raise r.wrong("clamp_max_mm", says("less-than-clamp", low=low))
        out[r.text("key")] = OpeningPart(
            key=r.text("key"),
            kind=r.text("kind"),
            maker=r.text("maker"),
            name=r.text("name"),
            size_mm=list(size),
            cut_length_mm=cut[0],
            cut_width_mm=cut[1],
            radius_mm=radius,
            clamp_min_mm=low,
            clamp_max_mm=high,
            gasket_mm=r.number_or_none("gasket_mm"),
            mass_kg=r.number("mass_kg"),
            price=r.number("price"),
        )
    return out


@cache
def openings() -> dict[str, OpeningPart]:
    """All parts that go through a roof, by key."""
    return read_openings(shipped("openings.csv"))
