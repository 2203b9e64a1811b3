"""Packs to buy, pieces to cut from stock, and the day by which to order (method build.packs, build.cuts, build.order-date)."""

from __future__ import annotations

import datetime as dt
from collections.abc import Sequence
from functools import lru_cache
from typing import Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import build_says as says

PACKS, CUTS, ORDER = Method("build.packs"), Method("build.cuts"), Method("build.order-date")


@lru_cache(maxsize=4096)
def best_packs(need: float, packs: tuple[tuple[float, float], ...]) -> tuple[int, ...]:
    """How many of each pack (size, price) cover a need at the least cost; then the fewest packs, the least bought, the most of the earlier listed."""
    if need <= EPS:
        return (0,) * len(packs)
    best: tuple[float, int, float, tuple[int, ...]] | None = None
    order = sorted(range(len(packs)), key=lambda i: (packs[i][1] / packs[i][0], -packs[i][0]))

    def walk(k: int, left: float, cost: float, counts: list[int]) -> None:
        nonlocal best
        if best is not None and round(cost, 6) > best[0]:
            return
        if left <= 1e-9:
            key = (round(cost, 6), sum(counts), round(sum(c * packs[i][0] for i, c in enumerate(counts)), 9), tuple(-c for c in counts))
            if best is None or key < best:
                best = key
            return
        if k == len(order):
            return
        i = order[k]
        size, price = packs[i]
        if best is not None and cost + left * price / size > best[0] + 1e-6:
            return  # the cheapest a unit that is left can't do better
        most = int(-(-(left - 1e-9) // size))
        # with what is cheapest a unit nearly all of it is bought that way; the others only fill the rest
        least = max(0, most - 60) if k == 0 else 0
        for n in range(most, least - 1, -1):
            counts[i] = n
            walk(k + 1, left - n * size, cost + n * price, counts)
        counts[i] = 0

    walk(0, need, 0.0, [0] * len(packs))
    assert best is not None
    return tuple(-c for c in best[3])


class PackIn(Contract):
    size: float = Field(gt=0, le=1e6)
    price: float = Field(ge=0, le=1e6)


class PackRoundIn(Contract):
    need: float = Field(ge=0, le=1e6)
    waste_frac: float = Field(0, ge=0, le=1)
    in_stock: float = Field(0, ge=0, le=1e6)
    packs: list[PackIn] = Field(min_length=1, max_length=8)

    @model_validator(mode="after")
    def _bounded(self) -> Self:
        if self.need * (1 + self.waste_frac) / max(p.size for p in self.packs) > 100_000:
            raise wrong("packs", says("so-small-that-more"))
        return self


class PackRoundOut(Outcome):
    net_need: float
    counts: list[int]
    pack_count: int
    bought: float
    leftover: float
    cost: float


def pack_round(inp: PackRoundIn, sources: dict[str, Figure] | None = None) -> PackRoundOut:
    """Which packs to buy. Method: build.packs."""
    net = max(0.0, inp.need * (1 + inp.waste_frac) - inp.in_stock)
    counts = best_packs(net, tuple((p.size, p.price) for p in inp.packs))
    bought = sum(n * p.size for n, p in zip(counts, inp.packs, strict=True))
    cost = sum(n * p.price for n, p in zip(counts, inp.packs, strict=True))
    needed = derived("net_need", "need·(1 + waste) − in stock", net, PACKS, need=inp.need, waste_frac=inp.waste_frac, in_stock=inp.in_stock)
    return PackRoundOut.of(
        net_need=needed,
        counts=list(counts),
        pack_count=derived("pack_count", "Σ n", sum(counts), PACKS, net_need=needed),
        bought=derived("bought", "Σ n·size", bought, PACKS, net_need=needed),
        leftover=derived("leftover", "bought − needed", bought - net, PACKS, bought=bought, net_need=needed),
        cost=derived("cost", "Σ n·price", cost, PACKS, pack_count=sum(counts)),
    )


class Bin(NamedTuple):
    """A length of stock or an offcut with the pieces that are cut from it, m."""

    source: str
    length: float
    pieces: list[float]
    kerf: float

    @property
    def left(self) -> float:
        """What is left of it."""
        return max(0.0, self.length - sum(self.pieces) - self.kerf * len(self.pieces))

    @property
    def room(self) -> float:
        """Into how much another piece with its cut must go."""
        return self.length + self.kerf - sum(p + self.kerf for p in self.pieces)


def cut_from(pieces: Sequence[float], stock: float, kerf: float, offcuts: Sequence[float]) -> list[Bin]:
    """First fit, longest first: offcuts before new stock. A piece may not be longer than the stock."""
    bins = [Bin("offcut", x, [], kerf) for x in sorted(offcuts)]
    for p in sorted(pieces, reverse=True):
        at = next((b for b in bins if b.room >= p + kerf - 1e-9), None)
        if at is None:
            at = Bin("stock", stock, [], kerf)
            bins.append(at)
        at.pieces.append(p)
    return [b for b in bins if b.pieces]


class CutListIn(Contract):
    pieces_m: list[float] = Field(min_length=1, max_length=500)
    stock_length_m: float = Field(gt=0, le=10000)
    kerf_m: float = Field(0, ge=0, le=0.1)
    offcuts_m: list[float] = Field([], max_length=500)

    @model_validator(mode="after")
    def _lengths(self) -> Self:
        for key in ("pieces_m", "offcuts_m"):
            for x in getattr(self, key):
                if not 0 < x <= 10000:
                    raise wrong(key, says("holds-every-length-more", x=x))
        longest = max([self.stock_length_m, *self.offcuts_m])
        for x in self.pieces_m:
            if x > longest + 1e-9:
                raise wrong("pieces_m", says("holds-piece-longest-stock", x_m=x, longest_m=longest))
        if any(x > self.stock_length_m + 1e-9 for x in self.pieces_m):
            bins = [b.length for b in cut_from([x for x in self.pieces_m if x > self.stock_length_m + 1e-9], 1e9, self.kerf_m, self.offcuts_m)]
            if any(b >= 1e9 for b in bins):
                raise wrong("pieces_m", says("holds-more-pieces-over", stock_length_m=self.stock_length_m))
        return self


class BinOut(BaseModel):
    source: Literal["stock", "offcut"]
    length_m: float
    pieces_m: list[float]
    left_m: float


class CutListOut(Outcome):
    stock_count: int
    offcut_count: int
    left_m: float
    bins: list[BinOut]


def cut_list(inp: CutListIn, sources: dict[str, Figure] | None = None) -> CutListOut:
    """What is cut from what. Method: build.cuts."""
    bins = cut_from(inp.pieces_m, inp.stock_length_m, inp.kerf_m, inp.offcuts_m)
    new = sum(b.source == "stock" for b in bins)
    asked = {"piece_count": len(inp.pieces_m), "stock_length_m": inp.stock_length_m}
    return CutListOut.of(
        stock_count=derived("stock_count", says("first-fit-longest-first"), new, CUTS, **asked),
        offcut_count=derived("offcut_count", says("offcuts-that-used"), len(bins) - new, CUTS, **asked),
        left_m=derived("left_m", "Σ of what is left of those used", sum(b.left for b in bins), CUTS, **asked),
        bins=[BinOut(source=b.source, length_m=b.length, pieces_m=b.pieces, left_m=b.left) for b in bins],
    )


def _works(day: dt.date, holidays: frozenset[dt.date]) -> bool:
    return day.weekday() < 5 and day not in holidays


def order_dates(need: dt.date, lead: int, buffer: int = 3, working: bool = True, holidays: frozenset[dt.date] = frozenset()) -> tuple[dt.date, dt.date]:
    """The day on which it must be there, and the day on which to order at the latest."""
    day = need - dt.timedelta(days=buffer)
    if not working:
        return day, day - dt.timedelta(days=lead)
    while not _works(day, holidays):
        day -= dt.timedelta(days=1)
    arrive, left = day, lead
    while left:
        day -= dt.timedelta(days=1)
        left -= _works(day, holidays)
    return arrive, day


def status_of(days_left: int | None) -> str:
    """Late, due within a week, or ok."""
    return "unknown" if days_left is None else "late" if days_left < 0 else "due" if days_left <= 7 else "ok"


def day_of(text: str, key: str) -> dt.date:
    """A day written as 2027-03-14. Raises the contract's error for ``key``."""
    try:
        return dt.date.fromisoformat(text)
    except ValueError:
        raise wrong(key, says("not-write-like", text=text)) from None


class OrderByIn(Contract):
    need_by_date: str = Field(min_length=10, max_length=10)
    lead_time_days: Whole = Field(ge=0, le=365)
    buffer_days: Whole = Field(3, ge=0, le=90)
    working_days: bool = True
    holidays: list[str] = Field([], max_length=400)
    today: str | None = Field(None, min_length=10, max_length=10)

    @model_validator(mode="after")
    def _days(self) -> Self:
        day_of(self.need_by_date, "need_by_date")
        for h in self.holidays:
            day_of(h, "holidays")
        if self.today is not None:
            day_of(self.today, "today")
        return self


class OrderByOut(Outcome):
    arrive_by_date: str
    order_by_date: str
    days_left: int | None
    status: Literal["late", "due", "ok", "unknown"]


def order_by_date(inp: OrderByIn, sources: dict[str, Figure] | None = None) -> OrderByOut:
    """When to order so that it is there in time. Method: build.order-date."""
    off = frozenset(day_of(h, "holidays") for h in inp.holidays)
    arrive, order = order_dates(day_of(inp.need_by_date, "need_by_date"), inp.lead_time_days, inp.buffer_days, inp.working_days, off)
    left = None if inp.today is None else (order - day_of(inp.today, "today")).days
    days = None if left is None else derived("days_left", says("order-by-today"), left, ORDER, lead_time_days=inp.lead_time_days, buffer_days=inp.buffer_days)
    return OrderByOut.of(arrive_by_date=arrive.isoformat(), order_by_date=order.isoformat(), days_left=days, status=status_of(left))
