"""Spares and cable to buy (method wiring.buying)."""

from __future__ import annotations

import math
from typing import Literal, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, formula, given, total
from bothy.core.method.sources import Method
from bothy.core.wiring.fuses import FAMILIES, FamilyKey
from bothy.core.words.says import wiring_says as says

DEFAULT_PACKS_M = (5.0, 10.0, 25.0, 50.0, 100.0)


def up(value: float) -> int:
    """Round up, with the tolerance in the designer's favour."""
    return math.ceil(value - EPS)


class FuseItem(Contract):
    family: FamilyKey
    rating_a: float = Field(gt=0, le=5000)
    count: Whole = Field(1, ge=1, le=10000)

    @model_validator(mode="after")
    def _rating(self) -> Self:
        family = FAMILIES[self.family]
        if self.rating_a not in family.ratings:
            raise wrong(
                "rating_a", says("not-made-as-ratings", rating_a=self.rating_a, family_name=family.name, rs=", ".join(f"{r:g}" for r in family.ratings))
            )
        return self

    @property
    def key(self) -> str:
        """``family:rating``, the rating without trailing zeros."""
        return f"{self.family}:{self.rating_a:g}"


class OnHand(FuseItem):
    count: Whole = Field(1, ge=0, le=10000)


class SpareFuseKitIn(Contract):
    fuses: list[FuseItem] = Field(min_length=1)
    on_hand: list[OnHand] = []
    spare_frac: float = Field(0.25, ge=0, le=5)
    pack_size_count: dict[FamilyKey, Whole] = {}

    @model_validator(mode="after")
    def _packs(self) -> Self:
        if any(n < 1 for n in self.pack_size_count.values()):
            raise wrong("pack_size_count", says("must-be-at-least"))
        return self


class SpareFuseKitOut(Outcome):
    spare_count: dict[str, int]
    to_buy_count: dict[str, int]
    pack_count: dict[str, int]
    total_spare_count: int
    total_to_buy_count: int


def least_spares(family: str) -> int:
    """Spares to carry whatever is fitted: 2 of blades and cylinders, 1 of the others, none of breakers."""
    if FAMILIES[family].breaker:
        return 0
    return 2 if family.startswith(("blade", "cyl")) else 1


def spare_fuse_kit(inp: SpareFuseKitIn, sources: dict[str, Figure] | None = None) -> SpareFuseKitOut:
    """Spares by family and rating, what is to buy, and in how many packs. Families in alphabetical order, ratings rising. Method: wiring.spares."""
    fitted: dict[tuple[str, float], int] = {}
    for f in inp.fuses:
        fitted[f.family, f.rating_a] = fitted.get((f.family, f.rating_a), 0) + f.count
    have: dict[tuple[str, float], int] = {}
    for f in inp.on_hand:
        have[f.family, f.rating_a] = have.get((f.family, f.rating_a), 0) + f.count
    spare: dict[str, Figure] = {}
    buy: dict[str, Figure] = {}
    packs: dict[str, Figure] = {}
    source = Method("wiring.spares")
    for (family, rating), count in sorted(fitted.items()):
        key = f"{family}:{rating:g}"
        least, on_hand, pieces = least_spares(family), have.get((family, rating), 0), inp.pack_size_count.get(family, 1)  # type: ignore[call-overload]
        kept = 0 if FAMILIES[family].breaker else max(least, up(inp.spare_frac * count))
        spare[key] = derived(
            "spare_count", "max(least, ⌈share · fitted⌉); no spare breakers", kept, source, least_count=least, spare_frac=inp.spare_frac, fitted_count=count
        )
        buy[key] = derived("to_buy_count", "max(0, spares − on hand)", max(0, kept - on_hand), source, spare_count=spare[key], on_hand_count=on_hand)
        packs[key] = derived("pack_count", says("to-buy-pieces-in"), up(buy[key].value / pieces), source, to_buy_count=buy[key], pack_size_count=pieces)
    return SpareFuseKitOut.of(
        spare_count=spare,
        to_buy_count=buy,
        pack_count=packs,
        total_spare_count=derived("total_spare_count", "Σ", sum(f.value for f in spare.values()), source, **spare),
        total_to_buy_count=derived("total_to_buy_count", "Σ", sum(f.value for f in buy.values()), source, **buy),
    )


class CableRun(Contract):
    id: str | None = Field(None, min_length=1, max_length=200)
    size: str = Field(min_length=1, max_length=40)
    colour: str = Field(min_length=1, max_length=40)
    length_m: float = Field(gt=0, le=1000)
    count: Whole = Field(1, ge=1, le=1000)


class Pack(Contract):
    pack_m: float = Field(gt=0, le=10000)
    cost: float | None = Field(None, ge=0, le=1e7)
    size: str | None = Field(None, max_length=40)
    colour: str | None = Field(None, max_length=40)

    @property
    def price(self) -> float:
        """Price of the pack; its length where none is said."""
        return self.cost if self.cost is not None else self.pack_m


class CablePurchaseIn(Contract):
    runs: list[CableRun] = Field(min_length=1)
    slack_frac: float = Field(0.10, ge=0, le=5)
    end_allowance_m: float = Field(0.30, ge=0, le=100)
    method: Literal["cut", "sum"] = "cut"
    packs: list[Pack] = Field([Pack(pack_m=m) for m in DEFAULT_PACKS_M], min_length=1)


class CablePurchaseOut(Outcome):
    need_m: dict[str, float]
    longest_cut_m: dict[str, float]
    pack_m: dict[str, float]
    pack_count: dict[str, int]
    bought_m: dict[str, float]
    leftover_m: dict[str, float]
    cost: dict[str, float]
    unavailable: list[str]
    total_cost: float


@formula(says("length-cut"), "L·(1 + slack) + end allowance", unit="m", source=Method("wiring.buying", "one conductor"))
def cut_length(length_m: float, slack_frac: float, end_allowance_m: float) -> float:
    return length_m * (1 + slack_frac) + end_allowance_m


class Bought(NamedTuple):
    """One choice of pack for a group of cuts."""

    cost: float
    packs: int
    pack_m: float


def packs_of(cuts: list[float], pack_m: float) -> int:
    """Packs of a length that give all cuts without a joint (first-fit decreasing)."""
    left: list[float] = []
    for cut in sorted(cuts, reverse=True):
        i = next((i for i, room in enumerate(left) if cut <= room + EPS), None)
        if i is None:
            left.append(pack_m - cut)
        else:
            left[i] -= cut
    return len(left)


def _cheapest(cuts: list[float], packs: list[Pack], method: str) -> Bought | None:
    choices = []
    for p in packs:
        if method == "cut" and p.pack_m < max(cuts) - EPS:
            continue
        n = packs_of(cuts, p.pack_m) if method == "cut" else up(sum(cuts) / p.pack_m)
        choices.append(Bought(n * p.price, n, p.pack_m))
    return min(choices, default=None)


def cut_pieces(inp: CablePurchaseIn) -> dict[tuple[str, str], list[tuple[str, Figure]]]:
    """The pieces of each size and colour: what each is for, and its length with slack and ends."""
    groups: dict[tuple[str, str], list[tuple[str, Figure]]] = {}
    for n, run in enumerate(inp.runs, 1):
        cut = cut_length(run.length_m, inp.slack_frac, inp.end_allowance_m)
        groups.setdefault((run.size, run.colour), []).extend((f"{run.id or n}{f' ({i})' if run.count > 1 else ''}", cut) for i in range(1, run.count + 1))
    return groups


def cable_purchase(inp: CablePurchaseIn, sources: dict[str, Figure] | None = None) -> CablePurchaseOut:
    """What to buy of each size and colour, in one pack size, without joints unless metres alone count. Method: wiring.buying."""
    groups = cut_pieces(inp)
    need: dict[str, Figure] = {}
    longest: dict[str, Figure] = {}
    out: dict[str, Bought] = {}
    unavailable: list[str] = []
    for (size, colour), cuts in groups.items():
        key = f"{size}/{colour}"
        need[key] = total(says("metres-needed"), "m", cuts, Method("wiring.buying"))
        longest[key] = max((c for _, c in cuts), key=float)
        fitting = [p for p in inp.packs if p.size in (None, size) and p.colour in (None, colour)]
        best = _cheapest([c.value for _, c in cuts], fitting, inp.method)
        if best is None:
            unavailable.append(key)
        else:
            out[key] = best
    source = Method("wiring.buying", f"method {inp.method}")
    packs = {k: derived("pack_count", says("cheapest-pack-size-then"), b.packs, source, need_m=need[k], pack_m=b.pack_m) for k, b in out.items()}
    bought = {
        k: derived("bought_m", "packs · length", b.packs * b.pack_m, Method("wiring.buying", "definition"), pack_count=packs[k], pack_m=b.pack_m)
        for k, b in out.items()
    }
    costs = {
        k: derived("cost", "packs · price; a pack without a price counts its metres", b.cost, Method("wiring.buying", "definition"), pack_count=packs[k])
        for k, b in out.items()
    }
    return CablePurchaseOut.of(
        need_m=need,
        longest_cut_m=longest,
        pack_m={k: given("pack_m", b.pack_m, "input", says("chosen-pack")) for k, b in out.items()},
        pack_count=packs,
        bought_m=bought,
        leftover_m={
            k: derived(
                "leftover_m", "bought − needed", bought[k].value - need[k].value, Method("wiring.buying", "definition"), bought_m=bought[k], need_m=need[k]
            )
            for k in out
        },
        cost=costs,
        unavailable=unavailable,
        total_cost=derived("total_cost", "Σ of the groups", sum(f.value for f in costs.values()), Method("wiring.buying"), **costs),
    )
