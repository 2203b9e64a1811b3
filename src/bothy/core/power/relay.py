"""Charging through a relay: the bank takes what the voltages push, less and less as it fills (method power.driving-charge)."""

from __future__ import annotations

from bothy.core.figure import Figure, derived, given
from bothy.core.method.sources import Method
from bothy.core.power.chemistry import CHEMISTRIES, rest_voltage
from bothy.core.words.says import power_says as says

STEPS = 240
"""Steps in which a drive is added up: the current changes slowly against them."""
FROM_SOC = 0.5
"""Charge at which a drive usually begins (typical)."""


def relay_charge(
    chemistry: str, capacity_ah: float, system_voltage_v: int, source_v: float, resistance_ohm: float, most_a: float, drive_h: float, soc_frac: float = FROM_SOC
) -> Figure:
    """Charge in Ah that a drive puts in through a relay. ``most_a`` is what alternator, relay and bank let through.

    The bank's rest voltage rises with its charge, so the current falls; no more than a full bank goes in. Raises ZeroDivisionError without any resistance.
    """
    chem = CHEMISTRIES[chemistry]
    cells = chem.cell_count(system_voltage_v)
    soc, charge, step = soc_frac, 0.0, drive_h / STEPS
    for _ in range(STEPS):
        amps = min(most_a, max(0.0, source_v - cells * rest_voltage(chemistry, soc)) / resistance_ohm)
        more = min(amps * step, (1.0 - soc) * capacity_ah / chem.coulomb)
        charge += more
        soc = min(1.0, soc + more * chem.coulomb / capacity_ah)
    return derived(
        "charge_ah",
        "Σ min(limit, (U_alternator − U_rest(charge))/R)·step",
        charge,
        Method("power.driving-charge", "Ohm's law along the drive"),
        source_voltage_v=source_v,
        resistance_ohm=resistance_ohm,
        limit_a=given("limit_a", most_a, "computed", says("what-alternator-relay-and"), source=Method("power.relay")),
        drive_h=drive_h,
        soc_start_frac=soc_frac,
    )
