"""Usual furniture, cut to the body: enough to collide with and to weigh (typical)."""

from __future__ import annotations

from typing import NamedTuple

from bothy.core.design.fit import OwnKind
from bothy.core.fit.body import BodyShape
from bothy.core.words.says import fit_says as says

KG_M = {"kitchen": 25.0, "bench": 22.0, "overhead": 9.0, "wardrobe": 40.0}
"""Mass of a metre's run."""
BED_KG_M2 = 18.0


class Piece(NamedTuple):
    """A piece of furniture: kind, name, length (along x), width, height in m, mass in kg, and how high its underside usually is."""

    kind: OwnKind
    name: str
    length: float
    width: float
    height: float
    kg: float
    z: float


def usual_furniture(body: BodyShape) -> list[Piece]:
    """What an interview offers: a bed across or along, kitchen, bench, overhead locker, wardrobe, wet room, seat, and what is taken out."""
    wide, long, high = 2 * min(body.hull.at(0.7, 0.8)[:2]) - 0.02, body.length, body.height
    across = wide >= 1.72
    bed_z = 0.72 if high >= 1.7 else 0.32
    bed = (1.35, wide, 0.14) if across else (min(1.9, max(0.62 * long, long - 0.6)), min(1.25, wide), 0.14)
    counter = min(0.90, high - 0.25)
    run = round(min(1.3, 0.3 * long), 2)
    middle = body.hull.first + long / 2
    leans = body.hull.at(middle, 0.1)[0] - body.hull.at(middle, min(high - 0.05, counter + 0.65))[0]
    deep = min(0.62, max(0.50, 0.42 + leans))  # a hob at the front edge keeps clear of the wall that leans over it

    def piece(kind: OwnKind, name: str, length: float, width: float, height: float, kg: float, z: float = 0.0) -> Piece:
        return Piece(kind, name, round(length, 2), round(width, 2), round(height, 2), round(kg, 1), z)

    return [
        piece("bed", says("bed-across", across=bool(across)), *bed, BED_KG_M2 * bed[0] * bed[1], bed_z),
        piece("kitchen", says("kitchen"), run, deep, counter, KG_M["kitchen"] * run),
        piece("bench", says("bench"), 1.0, 0.55, 0.45, KG_M["bench"] * 1.0),
        piece("overhead", says("overhead-locker"), run, 0.30, 0.32, KG_M["overhead"] * run, max(0.6, high - 0.50)),
        piece("wardrobe", says("wardrobe"), 0.5, 0.5, min(1.7, high - 0.12), KG_M["wardrobe"] * 0.5),
        piece("wet_room", says("wet-room"), 0.8, 0.75, high - 0.10, 45.0),
        piece("seat", says("seat-with-belt"), 0.5, 0.5, 1.1, 28.0),
        piece("luggage", says("luggage-one-person"), 0.5, 0.35, 0.25, 10.0),
        piece("removed", says("bench-seat-taken-out"), 0.6, 1.3, 0.9, 45.0),
    ]
