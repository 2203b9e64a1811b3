"""The stages that a report speaks of, each in one line: when it is begun, when it is worked out, and whether proving belongs to it. A new stage is a
line here."""

from __future__ import annotations

from collections.abc import Callable, Iterable
from typing import NamedTuple

from pydantic import BaseModel

from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.finding import Finding, Stage
from bothy.core.proving.sheet import ProvePart


class StageState(BaseModel):
    """How far a stage is: 0-4 stones, and its open dangers and faults."""

    stones: int
    dangers: int
    faults: int


class StageRow(NamedTuple):
    """A stage: ``begun`` when anything was said of it, ``worked`` when all is said that its figures need, ``proved`` where the last stone is a proof."""

    id: Stage
    begun: Callable[[Design, Facts], bool]
    worked: Callable[[Design, ProvePart], bool]
    proved: bool = False


def _power(d: Design) -> bool:
    p = d.power
    return p.bank is not None and (bool(p.arrays) or p.driving is not None or p.shore is not None)


def _gas(d: Design) -> bool:
    return bool(d.gas.appliances and d.gas.vessels) or d.gas.cooking in ("induction", "diesel", "alcohol")


STAGES: tuple[StageRow, ...] = (
    StageRow("vehicle", lambda d, _: d.vehicle.begun, lambda d, _: d.vehicle.payload_kg is not None and d.vehicle.bank_place is not None),
    StageRow("life", lambda d, _: bool(d.life.appliances) or d.life.people is not None, lambda d, _: bool(d.life.appliances) and d.life.place is not None),
    StageRow("power", lambda d, _: d.power.bank is not None or d.power.inverter is not None or bool(d.power.arrays), lambda d, _: _power(d)),
    StageRow("wiring", lambda d, _: bool(d.wiring.circuits), lambda d, _: bool(d.wiring.circuits) and all(c.sized for c in d.wiring.circuits), proved=True),
    StageRow("warmth", lambda d, _: d.warmth.begun, lambda d, _: bool(d.warmth.build_ups) and bool(d.warmth.heaters or d.warmth.cooler)),
    StageRow("water", lambda d, _: d.water.begun, lambda d, _: bool(d.water.tanks or d.water.jug_count)),
    StageRow("gas", lambda d, _: d.gas.begun, lambda d, _: _gas(d)),
    StageRow("fit", lambda d, _: d.fit.begun, lambda d, _: bool(d.fit.places)),
    StageRow("build", lambda d, f: d.build.begun or bool(f.log), lambda d, _: d.build.start_day is not None and bool(d.build.people)),
    StageRow("handover", lambda d, f: d.handover.begun or bool(f.papers or f.services), lambda d, _: bool(d.handover.where)),
    StageRow("prove", lambda _, f: bool(f.readings), lambda _, p: p.testable > 0 and p.read >= p.testable and p.unanswered == 0, proved=True),
)
"""In the order of the work. Trips has no stones: its findings come with each run."""


def stage_states(design: Design, facts: Facts, findings: Iterable[Finding], prove: ProvePart) -> dict[str, StageState]:
    """The cairn of each stage: a stone when it is begun, when it is worked out, when it is clean of dangers and open faults, and when it is proved."""
    proved = prove.testable > 0 and prove.passed == prove.testable and prove.unanswered == 0
    out: dict[str, StageState] = {}
    for row in STAGES:
        mine = [f for f in findings if f.stage == row.id]
        dangers = sum(1 for f in mine if f.severity == "danger")
        faults = sum(1 for f in mine if f.severity == "fault" and f.accepted is None)
        stones = 0
        if row.begun(design, facts):
            worked = row.worked(design, prove)
            clean = worked and dangers == 0 and faults == 0
            stones = 1 + int(worked) + int(clean) + int(clean and proved and row.proved)
        out[row.id] = StageState(stones=stones, dangers=dangers, faults=faults)
    return out
