"""What the steps are made from: a design with every open value settled, and the parts of its report."""

from __future__ import annotations

from collections.abc import Mapping
from typing import NamedTuple

from bothy.core.context import Context
from bothy.core.design.wiring import Circuit
from bothy.core.fit.part import FitPart
from bothy.core.gas.part import GasPart
from bothy.core.proving.sheet import SheetRow
from bothy.core.roof.part import RoofPart
from bothy.core.warmth.part import WarmthPart
from bothy.core.water.part import WaterPart
from bothy.core.wiring.circuit import CircuitPart
from bothy.core.wiring.loop_test import LoopRow


class Source(NamedTuple):
    """A design, its parts, the rows of the test sheet and the loop test of every circuit that has one."""

    ctx: Context
    circuits: Mapping[str, CircuitPart]
    sheet: Mapping[str, SheetRow]
    loops: Mapping[str, LoopRow]
    water: WaterPart
    gas: GasPart
    warmth: WarmthPart
    fit: FitPart
    roof: RoofPart

    @property
    def low(self) -> list[tuple[Circuit, CircuitPart]]:
        """Circuits of the low voltage, in the order of the design."""
        return [(c, p) for c in self.ctx.design.wiring.circuits if (p := self.circuits.get(c.id)) is not None and not p.ac]

    @property
    def mains(self) -> list[tuple[Circuit, CircuitPart]]:
        """Circuits of the mains."""
        return [(c, p) for c in self.ctx.design.wiring.circuits if (p := self.circuits.get(c.id)) is not None and p.ac]

    @property
    def has_mains(self) -> bool:
        """Whether there are mains aboard at all."""
        p = self.ctx.design.power
        return bool(self.mains) or p.shore is not None or p.inverter is not None

    def fed(self, appliance: str | None) -> Circuit | None:
        """The circuit that an appliance is on."""
        return next((c for c in self.ctx.design.wiring.circuits if appliance in c.appliances), None) if appliance else None


def marks_of(c: Circuit, p: CircuitPart) -> dict[str, float]:
    """The numbers of a circuit that a test of it proves."""
    found = {"length_m": p.length_m, "area_mm2": c.area_mm2, "fuse_a": c.fuse_a, "cables": float(c.parallel_count)}
    return {k: v for k, v in found.items() if v is not None}


def label(p: CircuitPart, c: Circuit) -> str:
    """How a circuit is called on a step."""
    return f"{p.code} {c.name}"
