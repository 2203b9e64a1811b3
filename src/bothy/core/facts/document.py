"""The facts of a vehicle as they stand today: one document, made from the evidence, that a person edits item by item."""

from __future__ import annotations

from typing import Self

from pydantic import Field, model_validator

from bothy.core.contract import wrong
from bothy.core.design.base import Doc
from bothy.core.facts.kinds import (
    AsBuilt,
    Closing,
    GasCheck,
    GasTest,
    HoldTest,
    LogEntry,
    Paper,
    Photo,
    PreTrip,
    Punch,
    Purchase,
    Quote,
    Reading,
    Repair,
    Seen,
    Service,
    StepRecord,
    Stock,
    Weighing,
)
from bothy.core.words.says import facts_says as says


class Facts(Doc):
    """What was measured, tested and looked at, newest state of each item. Readings: at most one a circuit.

    An item may speak of a circuit or appliance that the design no longer has: it was measured all the same.
    """

    readings: list[Reading] = Field([], max_length=1000)
    water_tests: list[HoldTest] = Field([], max_length=50)
    gas_tests: list[GasTest] = Field([], max_length=50)
    gas_checks: list[GasCheck] = Field([], max_length=100)
    pre_trip: list[PreTrip] = Field([], max_length=20)
    weighings: list[Weighing] = Field([], max_length=50)
    log: list[LogEntry] = Field([], max_length=3000)
    seen: list[Seen] = Field([], max_length=2000)
    closings: list[Closing] = Field([], max_length=100)
    purchases: list[Purchase] = Field([], max_length=2000)
    stock: list[Stock] = Field([], max_length=1000)
    quotes: list[Quote] = Field([], max_length=2000)
    punch: list[Punch] = Field([], max_length=1000)
    as_built: list[AsBuilt] = Field([], max_length=1000)
    papers: list[Paper] = Field([], max_length=40)
    services: list[Service] = Field([], max_length=2000)
    steps: list[StepRecord] = Field([], max_length=4000)
    repairs: list[Repair] = Field([], max_length=1000)
    photos: list[Photo] = Field([], max_length=3000)

    @model_validator(mode="after")
    def _once(self) -> Self:
        for what, ids in (
            (says("reading-circuit"), [r.circuit for r in self.readings]),
            (says("pressure-test"), [t.id for t in self.water_tests]),
            (says("leak-test"), [t.id for t in self.gas_tests]),
            (says("reading-gas"), [c.id for c in self.gas_checks]),
            (says("look-before-trip"), list(self.pre_trip)),
            ("weighing", [w.id for w in self.weighings]),
            (says("entry-log"), [x.id for x in self.log]),
            (says("look-at"), [x.id for x in self.seen]),
            (says("closing"), [x.id for x in self.closings]),
            ("purchase", [x.id for x in self.purchases]),
            ("stock", [x.id for x in self.stock]),
            ("quote", [x.id for x in self.quotes]),
            (says("small-thing"), [x.id for x in self.punch]),
            (says("thing-built-otherwise"), [x.id for x in self.as_built]),
            ("paper", [x.id for x in self.papers]),
            ("maintenance", [x.id for x in self.services]),
            ("step", [x.id for x in self.steps]),
            ("repair", [x.id for x in self.repairs]),
            ("photograph", [x.id for x in self.photos]),
        ):
            for i, one in enumerate(ids):
                if one in ids[:i]:
                    raise wrong("id", says("there-twice-every-id", what=what, one=one))
        return self
