"""Which store ends the stay first (method water.autonomy)."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import water_says as says

StoreName = Literal["fresh", "drinking", "grey", "cassette", "black", "urine", "solids"]
SUPPLY = ("fresh", "drinking")
USABLE_SUPPLY, USABLE_WASTE = 0.95, 0.9


class StoreIn(Contract):
    name: StoreName
    capacity_l: float = Field(ge=0, le=5000)
    flow_l_day: float = Field(ge=0, le=5000)
    start_fill_frac: float | None = Field(None, ge=0, le=1)
    usable_frac: float | None = Field(None, gt=0, le=1)

    @property
    def span(self) -> float:
        """Share of the capacity that can be drawn, or still be filled."""
        supply = self.name in SUPPLY
        start = self.start_fill_frac if self.start_fill_frac is not None else float(supply)
        usable = self.usable_frac if self.usable_frac is not None else USABLE_SUPPLY if supply else USABLE_WASTE
        return max(0.0, start - (1 - usable) if supply else usable - start)


class WaterAutonomyIn(Contract):
    target_days: float = Field(3, gt=0, le=365)
    stores: list[StoreIn] = Field(min_length=1, max_length=7)

    @model_validator(mode="after")
    def _once(self) -> Self:
        seen: set[str] = set()
        for s in self.stores:
            if s.name in seen:
                raise wrong("name", says("store-comes-twice-give", s_name=s.name))
            seen.add(s.name)
        return self


class Store(BaseModel):
    name: str
    usable_l: float
    days: float | None
    capacity_needed_l: float | None
    meets_target: bool


class WaterAutonomyOut(Outcome):
    stores: list[Store]
    limiting: str | None
    autonomy_days: float | None
    target_days: float
    meets_target: bool


def water_autonomy(inp: WaterAutonomyIn, sources: dict[str, Figure] | None = None) -> WaterAutonomyOut:
    """Days of each store, and the one that is empty or full first. Method: water.autonomy."""
    g = Given(inp, sources)
    out: list[Store] = []
    for s in inp.stores:
        span = s.span
        days = span * s.capacity_l / s.flow_l_day if s.flow_l_day > 0 else None
        need = s.flow_l_day * inp.target_days / span if span > 0 else None
        out.append(
            Store(name=s.name, usable_l=span * s.capacity_l, days=days, capacity_needed_l=need, meets_target=days is None or days >= inp.target_days - EPS)
        )
    least = min((s for s in out if s.days is not None), key=lambda s: s.days or 0.0, default=None)
    auto = None
    if least is not None and least.days is not None:
        one = next(s for s in inp.stores if s.name == least.name)
        known = sources or {}
        auto = derived(
            "autonomy_days",
            says("least-usable-flow", least_name=least.name),
            least.days,
            Method("water.autonomy"),
            usable_l=known.get(f"{least.name}_usable_l", least.usable_l),
            flow_l_day=known.get(f"{least.name}_flow_l_day", one.flow_l_day),
        )
    return WaterAutonomyOut.of(
        stores=out, limiting=least.name if least else None, autonomy_days=auto, target_days=g("target_days"), meets_target=all(s.meets_target for s in out)
    )
