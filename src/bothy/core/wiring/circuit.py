"""A circuit as the report has it, and as it is worked out."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any

from bothy.core.design.wiring import Circuit
from bothy.core.figure import Figure
from bothy.core.finding import Remedy
from bothy.core.wiring.conductors import ConductorAmpacityOut
from bothy.core.wiring.drop import VoltageDropOut
from bothy.core.wiring.sizing import Trial


@dataclass(slots=True, kw_only=True)
class CircuitPart:
    """One circuit worked out. Sizes that the design leaves open are None; ``best`` is what Bothy would fit."""

    code: str
    kind: str
    ac: bool
    nominal_v: float
    current_a: float
    inrush_a: float
    length_m: float
    length_assumed: bool
    drop_class: str
    limit_v: float
    best_area_mm2: float | None
    best_awg: str | None
    best_parallel: int
    best_fuse_a: float | None
    best_family: str | None
    size_text: str
    ampacity_a: float | None
    resistance_mohm: float | None
    drop_v: float | None
    drop_frac: float | None
    heat_w: float | None
    max_length_m: float | None
    window_low_a: float
    window_high_a: float | None
    window_status: str
    device_max_a: float | None
    ratings: list[float]
    fuse_a: float | None
    fuse_ok: bool | None
    drop_ok: bool | None
    before_v: float
    path_drop_v: float | None
    path_drop_frac: float | None
    worst_v: float | None
    typical_v: float | None
    fault_a: float | None
    far_fault_a: float | None
    way: list[str]
    problem: str | None
    appliance_names: list[str]
    bundled_count: int


@dataclass
class Worked:
    """Results of the calculators for one circuit."""

    index: int
    circuit: Circuit
    part: CircuitPart
    current: Figure
    ampacity: ConductorAmpacityOut | None = None
    drop: VoltageDropOut | None = None
    best_mohm: float | None = None
    way_v: dict[str, float] = field(default_factory=dict)
    carrying: list[Trial] = field(default_factory=list)
    """Sizes that carry its current behind the fuse that it wants, thinnest first; for loads and feeders, whose size is chosen with the tree."""
    wanted_a: float = 0.0
    selective_a: float = 0.0
    fitting: list[str] = field(default_factory=list)
    sources: dict[str, Figure] = field(default_factory=dict)

    @property
    def name(self) -> str:
        """Code and name, as findings call it."""
        return f"{self.part.code} {self.circuit.name}"

    def change(self, label: str, **fields: Any) -> Remedy:
        """A remedy that sets fields of the circuit."""
        return Remedy.sets(label, f"/wiring/circuits/{self.index}", self.circuit.id, **fields)

    @property
    def cable_mohm(self) -> float | None:
        """Resistance there and back with copper at 60 °C, of the cable fitted or else of Bothy's, in mΩ."""
        return self.part.resistance_mohm if self.part.resistance_mohm is not None else self.best_mohm
