"""May this wall be closed? Each thing behind it with the evidence that it needs (method build.gate)."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Contract, Outcome, Whole, unique_ids
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import build_says as says

GATE = Method("build.gate")
ZoneName = Literal["floor", "wall_left", "wall_right", "ceiling", "doors", "cabinet", "equipment_box"]
GateKind = Literal[
    "ac_cable",
    "dc_cable",
    "data_cable",
    "conduit",
    "gas_pipe",
    "flue",
    "water_pipe",
    "waste_pipe",
    "duct",
    "sensor",
    "anchor",
    "rust_treatment",
    "sealed_opening",
    "insulation",
    "vapour_barrier",
    "deadening",
    "fuel_line",
    "coolant_hose",
    "heating_mat",
    "aerial_lead",
]
CHECKS = ("not-done", "not-tested", "hidden-joint", "not-labelled", "no-photo")
SEVERITY: dict[str, tuple[str | None, ...]] = {
    "ac_cable": ("fault", "danger", "danger", "advice", "advice"),
    "dc_cable": ("fault", "fault", "fault", "advice", "advice"),
    "data_cable": ("fault", "fault", "advice", "advice", None),
    "conduit": ("fault", None, None, None, "advice"),
    "gas_pipe": ("fault", "danger", "danger", "advice", "advice"),
    "flue": ("fault", "danger", "danger", None, "advice"),
    "water_pipe": ("fault", "fault", "fault", None, "advice"),
    "waste_pipe": ("fault", "fault", "advice", None, "advice"),
    "duct": ("fault", None, "advice", None, "advice"),
    "sensor": ("fault", "fault", None, "advice", None),
    "anchor": ("fault", None, None, None, "advice"),
    "rust_treatment": ("fault", None, None, None, "advice"),
    "sealed_opening": ("fault", "fault", None, None, None),
    "insulation": ("advice", None, None, None, None),
    "vapour_barrier": ("advice", None, None, None, None),
    "deadening": ("advice", None, None, None, None),
    "fuel_line": ("fault", "danger", "danger", None, "advice"),
    "coolant_hose": ("fault", "fault", "fault", None, "advice"),
    "heating_mat": ("fault", "fault", None, "advice", "advice"),
    "aerial_lead": ("fault", "fault", None, "advice", None),
}
"""Kind -> severity of what is missing: done, tested, joint that can be reached, label, photograph; None: not asked for."""


class Behind(NamedTuple):
    """A thing behind a surface with its evidence; ``layer`` 1 structure to 5 lining."""

    id: str
    kind: str
    layer: int = 2
    done: bool = False
    tested: bool = False
    labelled: bool = False
    photo: bool = False
    waived: bool = False
    joints: int = 0
    joints_reachable: bool = False


class Lack(NamedTuple):
    """What is missing of a thing, and how grave that is."""

    rule: str
    severity: str
    subject: str


def lacks_of(x: Behind) -> list[Lack]:
    """What is missing of one thing; what isn't done needs no test yet. A waiver makes a fault an advice, never a danger."""
    missing = (not x.done, not x.tested, x.joints > 0 and not x.joints_reachable, not x.labelled, not x.photo)
    found = []
    for check, severity, lacks in zip(CHECKS, SEVERITY[x.kind], missing, strict=True):
        if lacks and severity is not None:
            found.append(Lack(f"build-gate-{check}", "advice" if x.waived and severity == "fault" else severity, x.id))
            if check == "not-done":
                break
    return found


def checked(items: Sequence[Behind], closes: int) -> tuple[list[Lack], list[str], int]:
    """What is missing below the layer that closes, which things keep it open, and how many were looked at."""
    found: list[Lack] = []
    looked = 0
    for x in items:
        if x.layer < closes:
            looked += 1
            found += lacks_of(x)
    blocking = [x.id for x in items if any(f.subject == x.id and f.severity in ("danger", "fault") for f in found)]
    return found, blocking, looked


class BehindIn(Contract):
    id: str = Field(min_length=1, max_length=200)
    kind: GateKind
    layer: Whole = Field(2, ge=1, le=5)
    done: bool = False
    tested: bool = False
    labelled: bool = False
    photo: bool = False
    waived: bool = False
    joints_reachable: bool = False
    joints_count: Whole = Field(0, ge=0, le=1000)


class GateCheckIn(Contract):
    zone: ZoneName
    closes_layer: Whole = Field(5, ge=1, le=5)
    items: list[BehindIn] = Field(max_length=1000)

    @model_validator(mode="after")
    def _once(self) -> Self:
        unique_ids(x.id for x in self.items)
        return self


class LackOut(BaseModel):
    rule: str
    severity: str
    subject: str


class GateCheckOut(Outcome):
    zone: str
    verdict: Literal["close", "close_with_notes", "do_not_close"]
    blocking_ids: list[str]
    checked_count: int
    danger_count: int
    fault_count: int
    advice_count: int
    findings: list[LackOut]


def gate_check(inp: GateCheckIn, sources: dict[str, Figure] | None = None) -> GateCheckOut:
    """Whether a surface may be closed. Method: build.gate."""
    items = [Behind(x.id, x.kind, x.layer, x.done, x.tested, x.labelled, x.photo, x.waived, x.joints_count, x.joints_reachable) for x in inp.items]
    found, blocking, looked = checked(items, inp.closes_layer)

    def count(severity: str) -> Figure:
        n = sum(f.severity == severity for f in found)
        return derived(f"{severity}_count", says("findings-that", severity=severity), n, GATE, checked_count=looked)

    return GateCheckOut.of(
        zone=inp.zone,
        verdict="do_not_close" if blocking else "close_with_notes" if found else "close",
        blocking_ids=blocking,
        checked_count=derived("checked_count", says("things-below-layer-that"), looked, GATE, item_count=len(items)),
        danger_count=count("danger"),
        fault_count=count("fault"),
        advice_count=count("advice"),
        findings=[LackOut(rule=f.rule, severity=f.severity, subject=f.subject) for f in found],
    )
