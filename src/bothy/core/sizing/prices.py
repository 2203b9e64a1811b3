"""What a supply costs and weighs, from the catalogue and the person's own parts."""

from __future__ import annotations

from bothy.core.catalogue.parts import parts
from bothy.core.design.power import Power


def price_and_mass(p: Power) -> tuple[float | None, float]:
    """Price in euro and mass in kg of panels, controller, bank, inverter, driving and shore charge, and generator. Price None: a part without a known price."""
    items: list[tuple[str | None, int, float | None]] = [(a.part, a.series_count * a.parallel_count, a.unit_mass_kg) for a in p.arrays]
    items += [(x.part, 1, x.mass_kg) for x in (p.controller, *(a.controller for a in p.arrays), p.inverter, p.driving, p.shore, p.generator) if x is not None]
    if p.bank is not None:
        items.append((p.bank.part, p.bank.series_count * p.bank.parallel_count, p.bank.unit_mass_kg))
    price: float | None = 0.0
    mass = 0.0
    for key, count, said in items:
        known = parts().get(key or "")
        price = None if price is None or known is None else price + known.price_eur * count
        mass += (said if said is not None else known.mass_kg if known else 0.0) * count
    return price, mass
