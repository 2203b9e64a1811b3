"""What a generator burns: usual of its fuel, or as its data sheet says (typical; 18 to 27 % of the fuel's heat at the full rating)."""

from __future__ import annotations

from dataclasses import dataclass

from bothy.core.design.power import Generator
from bothy.core.figure import Figure, formula, given
from bothy.core.method.sources import Method
from bothy.core.words.says import power_says as says


@dataclass(frozen=True, slots=True)
class GeneratorFuel:
    """What a kWh costs at the full rating, in L or kg; what of the full consumption is burnt at no load; the unit."""

    per_kwh: float
    idle_frac: float
    unit: str


FUELS = {"petrol": GeneratorFuel(0.60, 0.30, "L"), "diesel": GeneratorFuel(0.38, 0.25, "L"), "gas": GeneratorFuel(0.42, 0.30, "kg")}


@formula(says("burnt-hour-at-full"), "b·P", unit="", source=Method("power.generator", "typical of small sets; its data sheet says better"))
def full_load(per_kwh: float, rating_kw: float) -> float:
    return per_kwh * rating_kw


def full_per_h(g: Generator) -> Figure:
    """L or kg an hour at the full rating: as typed, or usual of its fuel."""
    fuel = FUELS[g.fuel]
    if g.full_per_h is not None:
        return Figure(g.full_per_h, fuel.unit, says("burnt-hour-at-full"), origin="typed", note=g.name)
    made = full_load(
        given("per_kwh", fuel.per_kwh, "table", says("typical", unit=fuel.unit, fuel=g.fuel)), given("rating_kw", g.rating_w / 1000, "typed", g.name)
    )
    return Figure(made.value, fuel.unit, made.label, expression=made.expression, source=made.source, inputs=made.inputs)
