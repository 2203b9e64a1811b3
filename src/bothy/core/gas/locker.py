"""Vents of the gas locker (method gas.locker)."""

from __future__ import annotations

import math
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.fluid import area_m2
from bothy.core.method.sources import Method, Standard
from bothy.core.region import RegionKey
from bothy.core.words.says import gas_says as says

RuleSet = Literal["low", "low_high", "per_kg", "boat_drain"]
BY_REGION: dict[str, RuleSet] = {"uk": "low", "eu": "low", "au": "low", "us": "per_kg"}
PER_7_LB, SEVEN_LB = 645.16, 3.1751
DRAIN_MM = 19.0


class LockerVent(Contract):
    position: Literal["low", "high"]
    width_mm: float | None = Field(None, gt=0, le=1000)
    height_mm: float | None = Field(None, gt=0, le=1000)
    diameter_mm: float | None = Field(None, gt=0, le=500)
    free_frac: float = Field(1, gt=0, le=1)
    count: Whole = Field(1, ge=1, le=50)

    @model_validator(mode="after")
    def _shape(self) -> Self:
        if self.diameter_mm is not None:
            if self.width_mm is not None or self.height_mm is not None:
                raise wrong("diameter_mm", says("give-diameter-or-width"))
            return self
        for key in ("width_mm", "height_mm"):
            if getattr(self, key) is None:
                raise wrong(key, says("required-without-diameter"))
        return self

    @property
    def free_mm2(self) -> float:
        """Free area of all of them."""
        one = 1e6 * area_m2(self.diameter_mm) if self.diameter_mm is not None else (self.width_mm or 0) * (self.height_mm or 0)
        return one * self.free_frac * self.count


class LockerVentAreaIn(Contract):
    floor_length_m: float = Field(gt=0, le=3)
    floor_width_m: float = Field(gt=0, le=3)
    region: RegionKey = "eu"
    rule_set: RuleSet | None = None
    gas_capacity_kg: float | None = Field(None, gt=0, le=200)
    vents: list[LockerVent] = Field([], max_length=20)

    @model_validator(mode="after")
    def _kg(self) -> Self:
        if self.rules == "per_kg" and self.gas_capacity_kg is None:
            raise wrong("gas_capacity_kg", says("required-where-vents-go"))
        return self

    @property
    def rules(self) -> RuleSet:
        """The rule set, the region's where none is chosen."""
        return self.rule_set or BY_REGION[self.region]


class LockerVentAreaOut(Outcome):
    rule_set: str
    floor_area_mm2: float
    required_low_mm2: float
    required_high_mm2: float
    provided_low_mm2: float
    provided_high_mm2: float
    short_low_mm2: float
    short_high_mm2: float
    round_drain_diameter_mm: float
    ok: bool


def _required(rules: RuleSet, floor_mm2: float, kg: float) -> tuple[float, float, str]:
    """Free area low and high in mm², and the rule in words."""
    if rules == "low":
        return max(0.02 * floor_mm2, 10000.0), 0.0, says("larger-floor-and")
    if rules == "low_high":
        each = max(0.01 * floor_mm2, 5000.0)
        return each, each, says("larger-floor-and-low")
    if rules == "per_kg":
        half = PER_7_LB * kg / SEVEN_LB / 2
        return half, half, says("for-each-lb-gas")
    return 1e6 * area_m2(DRAIN_MM), 0.0, says("one-drain-at-lowest")


def locker_vent_area(inp: LockerVentAreaIn, sources: dict[str, Figure] | None = None) -> LockerVentAreaOut:
    """Free area that the locker's vents need and have. Method: gas.locker."""
    g = Given(inp, sources)
    rules = inp.rules
    floor = derived(
        "floor_area_mm2",
        "length·width",
        inp.floor_length_m * inp.floor_width_m * 1e6,
        Method("gas.locker", "geometry"),
        floor_length_m=g("floor_length_m"),
        floor_width_m=g("floor_width_m"),
    )
    low, high, text = _required(rules, floor.value, inp.gas_capacity_kg or 0.0)
    have = {p: sum(v.free_mm2 for v in inp.vents if v.position == p) for p in ("low", "high")}
    if rules == "boat_drain" and not any(
        v.position == "low" and min(v.diameter_mm or 0 if v.diameter_mm is not None else min(v.width_mm or 0, v.height_mm or 0), 1e9) >= DRAIN_MM - EPS
        for v in inp.vents
    ):
        have["low"] = min(have["low"], low * 0.999)  # many small holes are not one drain
    need = derived(
        "required_low_mm2",
        text,
        low,
        Method("gas.locker", "as typical") + Standard("EN 1949") + Standard("NFPA 58") + Standard("EN ISO 10239"),
        floor_area_mm2=floor,
    )
    short = derived(
        "short_low_mm2",
        says("required-provided-at-least"),
        max(0.0, low - have["low"]),
        Method("gas.locker", "definition"),
        required_low_mm2=need,
        provided_low_mm2=have["low"],
    )
    return LockerVentAreaOut.of(
        rule_set=rules,
        floor_area_mm2=floor,
        required_low_mm2=need,
        required_high_mm2=derived(
            "required_high_mm2", text if high else says("none-asked-for"), high, Method("gas.locker", "as for the low ones"), floor_area_mm2=floor
        ),
        provided_low_mm2=derived("provided_low_mm2", "Σ area·free share·pieces, low", have["low"], Method("gas.locker", "as fitted")),
        provided_high_mm2=derived("provided_high_mm2", "Σ area·free share·pieces, high", have["high"], Method("gas.locker", "as fitted")),
        short_low_mm2=short,
        short_high_mm2=derived(
            "short_high_mm2",
            says("required-provided-at-least"),
            max(0.0, high - have["high"]),
            Method("gas.locker", "definition"),
            required_high_mm2=high,
            provided_high_mm2=have["high"],
        ),
        round_drain_diameter_mm=derived(
            "round_drain_diameter_mm", "√(4·required/π)", math.sqrt(4 * low / math.pi), Method("gas.locker", "circle"), required_low_mm2=need
        ),
        ok=have["low"] >= low - EPS and have["high"] >= high - EPS,
    )
