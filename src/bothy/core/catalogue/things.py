"""Usual sizes, masses and clearances of the things in a vehicle, by kind (typical; the data sheet governs)."""

from __future__ import annotations

from collections.abc import Iterable
from functools import cache
from typing import NamedTuple

from bothy.core.catalogue.table import rows, shipped
from bothy.core.words.says import catalogue_says as says

Clearance = tuple[float, float, float, float, float, float]
"""m at rear, front, right, left, bottom, top of the upright pose."""
FACE_COLUMNS = ("rear_mm", "front_mm", "right_mm", "left_mm", "bottom_mm", "top_mm")


class UsualThing(NamedTuple):
    """What is usual of a kind: size in m in its upright pose with the front at +x, kg, clearances in m with their reason, faces that may point up, tags."""

    key: str
    name: str
    size: tuple[float, float, float]
    mass_kg: float
    clearance: Clearance
    why: str
    up: tuple[str, ...]
    tags: frozenset[str]


def read_things(lines: Iterable[str]) -> dict[str, UsualThing]:
    """Usual things by key from the lines of a table. Raises :class:`bothy.core.catalogue.table.BadCatalogue`."""
    out = {}
    for row in rows("things.csv", lines, "key"):
        size = (row.number("length_mm") / 1000, row.number("width_mm") / 1000, row.number("height_mm") / 1000)
        if min(size) <= 0:
            raise row.wrong("length_mm", says("length-width-and-height"))
        rear, front, right, left, bottom, top = (row.number(c) / 1000 for c in FACE_COLUMNS)
        up = tuple(row.text("up").split())
        if not up:
            raise row.wrong("up", says("names-at-least-one"))
        out[row.text("key")] = UsualThing(
            row.text("key"),
            row.text("name"),
            size,
            row.number("mass_kg"),
            (rear, front, right, left, bottom, top),
            row.text("why"),
            up,
            frozenset(row.text("tags").split()),
        )
    return out


@cache
def usual_things() -> dict[str, UsualThing]:
    """All usual things by key."""
    return read_things(shipped("things.csv"))
