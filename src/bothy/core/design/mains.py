"""The mains side as the design tells it: how it is protected, switched over, bonded, and whether it is wired or plugged together."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Whole, wrong
from bothy.core.design.base import By, Doc, Id
from bothy.core.wiring.conductors import Awg
from bothy.core.words.says import design_says as says

LEADS_MM2 = (0.75, 1.0, 1.5, 2.5, 4.0, 6.0)
LEADS_AWG = ("16", "14", "12", "10", "8", "6")
"""Sizes of flexible leads (method wiring.mains)."""
Transfer = Literal["automatic", "changeover", "separate", "joined"]
Bond = Literal["relay", "permanent", "none"]


class StockLength(Doc):
    """A lead that can be bought: length in m and price."""

    length_m: float = Field(ge=0.01, le=100)
    cost: float = Field(0, ge=0, le=100000)


class Mains(Doc):
    """A design aid: mains work, its inspection and its certificate belong to a licensed or registered electrician.

    ``transfer`` is how shore and inverter meet: an automatic contact, a change-over switch, separate sockets, or joined without either.
    ``bond`` is the inverter's neutral-earth bond: by relay only while it inverts, permanent, or none. ``shedding`` says what happens when
    more would run than the supply carries; ``keep`` are the appliances in the order in which they stay on. ``rcd_type``
    is what currents the residual-current device sees, ``inlet_breaker_a`` a breaker at the inlet, ``surge`` a surge protector there, ``galvanic``
    what keeps the shore's earth off a hull.
    """

    style: Literal["wired", "leads"] = "wired"
    rcd: bool = True
    inverter_rcd: bool = True
    poles: Literal["double", "single"] = "double"
    sockets_double_pole: bool = True
    transfer: Transfer = "automatic"
    bond: Bond = "relay"
    chassis_bond_mm2: float | None = Field(4.0, ge=0.5, le=120)
    hookup_length_m: float | None = Field(None, ge=0.01, le=200)
    hookup_mm2: float | None = Field(None, ge=0.75, le=16)
    lead_mm2: float | None = Field(None, ge=0.75, le=6)
    lead_awg: Awg | None = None
    leads_joined_count: Whole = Field(1, ge=1, le=5)
    shedding: Literal["none", "hand", "relay"] = "none"
    keep: list[Id] = Field([], max_length=60)
    rcd_type: Literal["ac", "a", "f", "b"] | None = None
    inlet_breaker_a: float | None = Field(None, ge=1, le=125)
    surge: bool | None = None
    galvanic: Literal["none", "isolator", "transformer"] | None = None
    stock: list[StockLength] = Field([], max_length=40)
    by: By = "typed"

    @model_validator(mode="after")
    def _lead(self) -> Self:
        if self.lead_mm2 is not None and self.lead_mm2 not in LEADS_MM2:
            raise wrong("lead_mm2", says("not-lead-leads", lead_mm2=self.lead_mm2, xs_mm2=", ".join(f"{x:g}" for x in LEADS_MM2)))
        if self.lead_awg is not None and self.lead_awg not in LEADS_AWG:
            raise wrong("lead_awg", says("awg-not-lead-leads", lead_awg=self.lead_awg, leads_awg=", ".join(LEADS_AWG)))
        return self
