"""A line of the shopping list, and what the stock leaves of it to buy (method build.packs, build.cuts)."""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import NamedTuple

from bothy.core.build.cuts import Cut, Piece, cuts_of
from bothy.core.facts.kinds import Stock
from bothy.core.words.says import build_says as says


class Line(NamedTuple):
    """A line of the bill: how much of it in which packs, what it costs about (None: not known), what it is for, and the tasks that take it. What is cut from
    lengths has its ``pieces``, the length of a pack (None: off the reel) and the price of a metre; ``kept``: which offcuts of it are worth keeping."""

    key: str
    name: str
    service: str
    amount: float
    unit: str
    packs: str
    price: float | None
    of: tuple[str, ...]
    tasks: tuple[str, ...]
    bench: bool
    pieces: tuple[Piece, ...] = ()
    pack_m: float | None = None
    price_m: float | None = None
    kept: str = ""
    cuts: tuple[Cut, ...] = ()
    in_stock: float = 0.0

    @property
    def at_hand(self) -> bool:
        """Whether the stock holds all of it."""
        return all(c.source == "offcut" for c in self.cuts) if self.cuts else self.in_stock >= self.amount - 1e-9


def slug(text: str) -> str:
    """A key from words, at most 60 letters."""
    return re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-")[:60] or "line"


def _cut(x: Line, stock: Sequence[Stock]) -> Line:
    cuts = cuts_of(x.pieces, x.pack_m, stock)
    new = [c for c in cuts if c.source != "offcut"]
    bought = sum(c.length_m for c in new)
    if not new:
        packs = says("from-offcuts-in-stock")
    elif new[0].source == "reel":
        packs = says("off-reel", bought_m=bought)
    else:
        packs = f"{len(new)} × {new[0].length_m:g} m"
    price = x.price if x.price_m is None else x.price_m * bought
    used = sum(p.length_m for c in cuts if c.source == "offcut" for p in c.pieces)
    return x._replace(packs=packs, price=price if new else 0.0, cuts=tuple(cuts), in_stock=used)


def after_stock(x: Line, stock: Sequence[Stock]) -> Line:
    """A line with what is in stock of it taken off: its packs, its price, and what is cut from what."""
    mine = [s for s in stock if s.line == x.key and s.unit == x.unit]
    if x.pieces:
        return _cut(x, mine)
    there = min(x.amount, sum(s.amount for s in mine))
    if there <= 0:
        return x
    left = x.amount - there
    packs = says("in-stock") if left <= 1e-9 else says("in-stock-2", left=left, unit=f" {x.unit}" if x.unit else " ×", there=there)
    price = 0.0 if left <= 1e-9 else None if x.price is None else x.price * left / x.amount
    return x._replace(packs=packs, price=price, in_stock=there)
