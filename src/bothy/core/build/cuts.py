"""What is cut from what: pieces of a line from the offcuts that lie in stock, then from new packs or the reel (method build.cuts)."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import NamedTuple

from bothy.core.build.buying import cut_from
from bothy.core.facts.kinds import Stock

WORTH_KEEPING_M = {"cable": 0.5, "pipe": 0.3}
"""Offcuts from this length on go back to stock; what is shorter is waste (typical)."""


class Piece(NamedTuple):
    """A piece to be cut in one: what it is for, m."""

    of: str
    length_m: float


class Cut(NamedTuple):
    """A length that pieces are cut from: an offcut of the stock (its id and place), a new pack, or (``source`` reel) as many metres as are asked for."""

    source: str
    stock: str
    place: str
    length_m: float
    pieces: tuple[Piece, ...]

    @property
    def left_m(self) -> float:
        """What is left of it."""
        return max(0.0, self.length_m - sum(p.length_m for p in self.pieces))


def cuts_of(pieces: Sequence[Piece], pack_m: float | None, stock: Iterable[Stock]) -> list[Cut]:
    """Longest first, each into the shortest offcut that it fits, then into packs of ``pack_m``; None: off the reel, by the metre."""
    offcuts = sorted((x for x in stock if x.unit == "m"), key=lambda x: (x.amount, x.id))
    longest = max((p.length_m for p in pieces), default=0.0)
    by_pack = pack_m is not None and pack_m >= longest - 1e-9
    new = pack_m if by_pack and pack_m is not None else sum(p.length_m for p in pieces) + 1.0
    waiting: dict[float, list[Piece]] = {}
    for p in pieces:
        waiting.setdefault(p.length_m, []).append(p)
    free = {x.id: x for x in offcuts}
    out = []
    for b in cut_from([p.length_m for p in pieces], new, 0.0, [x.amount for x in offcuts]):
        mine = tuple(waiting[x].pop(0) for x in b.pieces)
        if b.source == "offcut":
            taken = next(x for x in free.values() if x.amount == b.length)
            del free[taken.id]
            out.append(Cut("offcut", taken.id, taken.place, taken.amount, mine))
        elif not by_pack:
            out.append(Cut("reel", "", "", sum(p.length_m for p in mine), mine))
        else:
            out.append(Cut("pack", "", "", new, mine))
    return out
