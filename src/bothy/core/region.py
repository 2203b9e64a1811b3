"""What differs by region: mains, inlets, wire sizes, colours, words and who must do licensed work.

Source of the tables: method wiring.mains, 02 sections 4.10 and 4.11.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from bothy.core.words.says import core_says as says

RegionKey = Literal["uk", "eu", "us", "au"]


@dataclass(frozen=True, slots=True)
class Region:
    """Facts of one region. Currents in A, voltages in V, lengths in m."""

    key: RegionKey
    name: str
    mains_v: float
    mains_hz: int
    inlet_a: float
    continuous_frac: float
    ac_breakers_a: tuple[float, ...]
    wire_series: Literal["metric", "awg"]
    bundle_method: Literal["iec_circuits", "marine_conductors"]
    dc_colours: tuple[str, str]
    ac_colours: tuple[str, str, str]
    licensed: str
    mains_poles: Literal["double", "single"] = "double"
    residual_device: str = says("device")
    socket_a: float = 13.0
    currency: Literal["£", "€", "$", "A$"] = "€"
    price_level: float = 1.0
    """Typical price of a part here in its currency, of one euro in the catalogue."""


REGIONS: dict[RegionKey, Region] = {
    "uk": Region(
        "uk",
        says("united-kingdom"),
        230.0,
        50,
        16.0,
        1.0,
        (6, 10, 16),
        "metric",
        "iec_circuits",
        ("red", "black"),
        ("brown", "blue", "green-yellow"),
        says("mains-work-and-certificate"),
        currency="£",
        price_level=0.9,
    ),
    "eu": Region(
        "eu",
        says("european-union"),
        230.0,
        50,
        16.0,
        1.0,
        (6, 10, 16),
        "metric",
        "iec_circuits",
        ("red", "black"),
        ("brown", "blue", "green-yellow"),
        says("mains-work-and-certificate-qualified"),
        socket_a=16.0,
    ),
    "us": Region(
        "us",
        says("united-states"),
        120.0,
        60,
        30.0,
        0.8,
        (15, 20, 30),
        "awg",
        "marine_conductors",
        ("red", "black"),
        ("black", "white", "green"),
        says("mains-work-licensed-electrician"),
        "single",
        says("ground-fault-protection"),
        15.0,
        currency="$",
        price_level=1.05,
    ),
    "au": Region(
        "au",
        says("australia"),
        230.0,
        50,
        15.0,
        1.0,
        (10, 16),
        "metric",
        "iec_circuits",
        ("red", "black"),
        ("brown", says("light-blue"), "green-yellow"),
        says("mains-work-licensed-electrician-always"),
        socket_a=10.0,
        currency="A$",
        price_level=1.7,
    ),
}


def money(amount: float, region: RegionKey) -> str:
    """An amount in the region's currency, without small change."""
    return f"{'−' if round(amount) < 0 else ''}{REGIONS[region].currency}{abs(amount):,.0f}"
