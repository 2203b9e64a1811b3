"""What the design document says of handing over: where the things stand that must be found in the dark, who it is for, and open points (method handover)."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from bothy.core.design.base import Doc, Note

Found = Literal["battery_switch", "main_fuse", "inverter", "shore", "gas_valve", "water_drain", "extinguisher", "fire_blanket", "first_aid", "fuse_board"]


Counter = Literal["heater_h", "generator_h", "filter_l", "bank_cycles"]
"""What is counted aboard: hours of the fuel heater and of the generator, litres through the water filter, full cycles of the bank."""


class Handover(Doc):
    """``where``: in one's own words where a thing is found; empty: by its place in Layout. ``owner``: whom the book is for; ``open``: points that are left.

    ``manuals``: where the manual of a device is, by the device's name. ``start_km``: odometer at the first trip, ``odometer_km``: now. ``counts``: what
    each counter says now.
    """

    owner: Note = ""
    where: dict[Found, Annotated[str, Field(max_length=200)]] = {}
    open: list[Annotated[str, Field(min_length=1, max_length=400)]] = Field([], max_length=60)
    manuals: dict[Annotated[str, Field(min_length=1, max_length=120)], Annotated[str, Field(min_length=1, max_length=300)]] = Field({}, max_length=300)
    start_km: float | None = Field(None, ge=0, le=1e7)
    odometer_km: float | None = Field(None, ge=0, le=1e7)
    km_per_day: float | None = Field(None, ge=0, le=2000)
    counts: dict[Counter, Annotated[float, Field(ge=0, le=1e7)]] = {}
