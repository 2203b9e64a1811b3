"""A step of commissioning: what is looked at or measured, what to expect, and what shows it."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Literal

from bothy.core.commissioning.stages import STAGE, StageId, Who
from bothy.core.units import Dimension

Kind = Literal["look", "value", "record"]
RecordKind = Literal["loop", "reading", "water_test", "gas_test", "gas_check", "weighing"]
State = Literal["locked", "open", "pass", "marginal", "fail", "again"]


UNITS: dict[str, tuple[Dimension, float]] = {
    "V": ("voltage", 1.0),
    "A": ("current", 1.0),
    "Ω": ("resistance", 1e3),
    "MΩ": ("resistance", 1e9),
    "mΩ": ("resistance", 1.0),
    "s": ("time", 1 / 3600),
    "min": ("time", 1 / 60),
    "h": ("time", 1.0),
    "L/min": ("flow", 1.0),
    "°C": ("temperature", 1.0),
    "kg": ("mass", 1.0),
    "kPa": ("pressure", 1000.0),
}
NO_UNIT: tuple[Dimension | Literal[""], float] = ("", 1.0)
"""Unit of a step -> the dimension of a quantity, and how many of its SI units one is. Others (Hz, mA, ppm, K) are plain numbers."""


@dataclass(slots=True)
class Step:
    """``low`` and ``high`` are limits in ``unit`` (None: open); ``expected`` what the design predicts; ``sd`` how well it does.

    ``record``: it is shown by a reading or test that has its own place; ``marks``: the numbers that it proves, with which it is proved again once they
    move. ``bars``: what comes after its stage waits for it. ``asks``: what is typed beside the value.
    """

    id: str
    stage: StageId
    title: str
    how: str
    kind: Kind = "look"
    subject: str = ""
    unit: str = ""
    expected: float | None = None
    low: float | None = None
    high: float | None = None
    sd: float = 0.0
    instrument: str = ""
    accuracy_frac: float = 0.0
    digits_count: int = 0
    resolution: float = 0.0
    least: float = 0.0
    most: float = 1e6
    who: Who | None = None
    record: RecordKind | None = None
    record_id: str = ""
    before: tuple[str, ...] | None = None
    asks: tuple[str, ...] = ()
    rule: str = "test-fail"
    bars: bool = True
    marks: dict[str, float] = field(default_factory=dict)
    missing: str = ""

    @property
    def by(self) -> Who:
        """Who may do it: said of the step, else of its stage."""
        return self.who or STAGE[self.stage].who

    @property
    def needs(self) -> tuple[str, ...]:
        """The stages that must be passed before it."""
        return STAGE[self.stage].before if self.before is None else self.before

    @property
    def mains(self) -> bool:
        """Whether a meter for mains is needed."""
        return self.stage in ("s2", "s7") or (self.stage == "s6" and self.who == "licensed")

    @property
    def energy_on(self) -> bool:
        """Whether something is live, burning or under way while it is done."""
        return self.stage not in ("s0", "s1", "s2", "s3", "s14", "s15") and (self.record is not None or self.kind == "value")

    def expects(self) -> dict[str, float]:
        """What a record of it is judged against: limits, expectation and marks."""
        found = {"low": self.low, "high": self.high, "expected": self.expected, **self.marks}
        return {k: v for k, v in found.items() if v is not None}


def clipped(prefix: str, id: str) -> str:
    """The id of a step: its kind and its subject, at most 60 signs as evidence has them."""
    return f"{prefix}:{id}"[:60]
