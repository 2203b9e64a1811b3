"""The front of designs that no other beats in cost, mass and reliability (method trips.sizing)."""

from __future__ import annotations

from typing import Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Outcome, unique_ids
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import sizing_says as says


class DesignPoint(Contract):
    id: str = Field(min_length=1, max_length=200)
    cost: float = Field(ge=0)
    mass_kg: float = Field(ge=0)
    lolp_frac: float = Field(ge=0, le=1)

    @property
    def goals(self) -> tuple[float, float, float]:
        """What is to be small."""
        return self.cost, self.mass_kg, self.lolp_frac

    def beats(self, other: DesignPoint) -> bool:
        """At least as good in all, better in one."""
        return self.goals != other.goals and all(a <= b for a, b in zip(self.goals, other.goals, strict=True))


class ParetoFrontIn(Contract):
    designs: list[DesignPoint] = Field(max_length=20000)

    @model_validator(mode="after")
    def _ids(self) -> Self:
        unique_ids(d.id for d in self.designs)
        return self


class Dominated(Outcome):
    id: str
    dominated_by: str


class ParetoFrontOut(Outcome):
    front: list[str]
    dominated: list[Dominated]
    front_count: int


def front_of(designs: list[DesignPoint]) -> tuple[list[DesignPoint], list[tuple[DesignPoint, DesignPoint]]]:
    """The front, cheapest first, and each other design with the first member that beats it."""
    front: list[DesignPoint] = []
    beaten: list[tuple[DesignPoint, DesignPoint]] = []
    for d in sorted(designs, key=lambda d: (*d.goals, d.id)):  # whatever beats a design stands before it
        better = next((f for f in front if f.beats(d)), None)
        if better is None:
            front.append(d)
        else:
            beaten.append((d, better))
    return front, beaten


def pareto_front(inp: ParetoFrontIn, sources: dict[str, Figure] | None = None) -> ParetoFrontOut:
    """Which designs nobody beats, and who beats each of the others. Method: trips.sizing."""
    front, beaten = front_of(inp.designs)
    return ParetoFrontOut.of(
        front=[d.id for d in front],
        dominated=[Dominated.of(id=d.id, dominated_by=by.id) for d, by in beaten],
        front_count=derived("front_count", says("designs-that-none-beats"), len(front), Method("trips.sizing"), design_count=len(inp.designs)),
    )
