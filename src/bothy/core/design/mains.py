"""The mains side as the design tells it: how it is protected, switched over, bonded, and whether it is wired or plugged together."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from bothy.core.contract import Whole
from bothy.core.design.base import By, Doc
from bothy.core.wiring.conductors import Awg

Transfer = Literal["automatic", "changeover", "separate", "joined"]
Bond = Literal["relay", "permanent", "none"]


class StockLength(Doc):
    """A lead that can be bought: length in m and price."""

    length_m: float = Field(gt=0, le=100)
    cost: float = Field(0, ge=0, le=100000)


class Mains(Doc):
    """A design aid: mains work, its inspection and its certificate belong to a licensed or registered electrician.

    ``transfer`` is how shore and inverter meet: an automatic contact, a change-over switch, separate sockets, or joined without either.
    ``bond`` is the inverter's neutral-earth bond: by relay only while it inverts, permanent, or none.
    """

    style: Literal["wired", "leads"] = "wired"
    rcd: bool = True
    inverter_rcd: bool = True
    poles: Literal["double", "single"] = "double"
    sockets_double_pole: bool = True
    transfer: Transfer = "automatic"
    bond: Bond = "relay"
    chassis_bond_mm2: float | None = Field(4.0, ge=0.5, le=120)
    hookup_length_m: float | None = Field(None, gt=0, le=200)
    hookup_mm2: float | None = Field(None, ge=0.75, le=16)
    lead_mm2: float | None = Field(None, ge=0.75, le=6)
    lead_awg: Awg | None = None
    leads_joined_count: Whole = Field(1, ge=1, le=5)
    stock: list[StockLength] = Field([], max_length=40)
    by: By = "typed"
