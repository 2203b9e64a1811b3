"""What tasks take: goods that are bought by the pack, tools, and how often it rains at a place (typical; the shop and the sky decide)."""

from __future__ import annotations

from functools import cache
from typing import NamedTuple

from bothy.core.catalogue.table import rows, shipped

SEASONS = ("djf", "mam", "jja", "son")
USUAL_RAIN_DAYS = 10.0
"""Days with rain a month where nothing is known of a place (a damp temperate one)."""


class Good(NamedTuple):
    """Something to buy: name, service, the pack it comes in and about what a pack costs in euro; ``covered``: it is counted from the design."""

    slug: str
    name: str
    service: str
    covered: bool
    pack: str
    price: float


@cache
def goods() -> dict[str, Good]:
    """Goods by the word that a task uses."""
    out = {}
    for r in rows("consumables.csv", shipped("consumables.csv"), "slug"):
        out[r.text("slug")] = Good(r.text("slug"), r.text("name"), r.text("service"), r.text("covered") == "1", r.text("pack"), r.number("price"))
    return out


@cache
def tools() -> dict[str, str]:
    """Tools by the word that a task uses."""
    return {r.text("slug"): r.text("name") for r in rows("tools.csv", shipped("tools.csv"), "slug")}


@cache
def _rain() -> dict[str, tuple[float, ...]]:
    return {r.text("place"): tuple(r.number(f"{s}_days") for s in SEASONS) for r in rows("rain.csv", shipped("rain.csv"), "place")}


def rain_days(place: str, month: int) -> float:
    """Days with at least 1 mm of rain in a month 1..12 (approximate normals of the season)."""
    found = _rain().get(place)
    return USUAL_RAIN_DAYS if found is None else found[month % 12 // 3]
