"""What a supply costs and weighs, from the catalogue and the person's own parts; what is owned already costs nothing more."""

from __future__ import annotations

from typing import Any

from bothy.core.catalogue.parts import parts
from bothy.core.design.power import Power
from bothy.core.region import RegionKey


def price_and_mass(p: Power, region: RegionKey) -> tuple[float | None, float]:
    """Price in the currency of the region and mass in kg of panels, controller, bank, inverter, driving and shore charge, and generator. Price None: a
    part that is neither owned nor of a known price."""
    items: list[tuple[Any, int, float | None]] = [(a, a.series_count * a.parallel_count, a.unit_mass_kg) for a in p.arrays]
    items += [(x, 1, x.mass_kg) for x in (p.controller, *(a.controller for a in p.arrays), p.inverter, p.driving, p.shore, p.generator) if x is not None]
    if p.bank is not None:
        items.append((p.bank, p.bank.series_count * p.bank.parallel_count, p.bank.unit_mass_kg))
    price: float | None = 0.0
    mass = 0.0
    for item, count, said in items:
        known = parts(region).get(item.part or "")
        if not item.owned:
            price = None if price is None or known is None else price + known.price * count
        mass += (said if said is not None else known.mass_kg if known else 0.0) * count
    return price, mass
