"""What the page of Prove shows: stages as rungs, steps with their state, and counts."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel

from bothy.core.commissioning.step import Kind, RecordKind, State
from bothy.core.units import Dimension


class StepPart(BaseModel):
    """A step as it stands. Limits in ``unit``; ``scale``: how many SI units of ``dimension`` one of them is.

    ``said``: what was recorded, short; ``why``: why it is locked or is to be proved again, or what is wrong; ``revision``: it was judged against.
    """

    id: str
    stage: str
    subject: str
    title: str
    how: str
    kind: Kind
    unit: str
    dimension: Dimension | Literal[""]
    scale: float
    expected: float | None
    low: float | None
    high: float | None
    instrument: str
    who: str
    licensed: bool
    record: RecordKind | None
    record_id: str
    asks: list[str]
    state: State
    said: str
    why: str
    value: float | None
    uncertainty: float | None
    adequate: bool | None
    by: str
    on: str
    revision: int | None


class RungPart(BaseModel):
    """A stage: counts of its steps by state; ``why``: what unlocks it, while it is locked."""

    id: str
    title: str
    energy: str
    who: str
    stop: str
    state: Literal["none", "locked", "open", "done", "failed"]
    total: int
    passed: int
    marginal: int
    failed: int
    again: int
    why: str


class CommissioningPart(BaseModel):
    """The ladder. ``next``: the step to do next, None: all is done or shut. ``in_service``: who says that it has been in use already, and why."""

    rungs: list[RungPart]
    steps: list[StepPart]
    next: str | None
    total: int
    passed: int
    failed: int
    again: int
    licensed: str
    in_service: str
