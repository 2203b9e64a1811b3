"""Stage 11, Prove: the meter that readings are taken with, and accepted findings."""

from __future__ import annotations

from pydantic import Field

from bothy.core.contract import Whole
from bothy.core.design.base import Doc, Name
from bothy.core.severity import SEVERITIES, Severity


class Meter(Doc):
    """Limits of error of the meters in use: ±(accuracy of reading + digits); and how the loop test is made."""

    volt_accuracy_frac: float = Field(0.005, ge=0, le=0.2)
    volt_digits_count: Whole = Field(2, ge=0, le=20)
    volt_resolution_v: float = Field(0.01, ge=1e-06, le=1)
    current_accuracy_frac: float = Field(0.02, ge=0, le=0.2)
    current_digits_count: Whole = Field(3, ge=0, le=50)
    current_resolution_a: float = Field(0.01, ge=1e-06, le=1)
    loop_resolution_mohm: float = Field(100, ge=0.001, le=10000)
    loop_leads_mohm: float = Field(0, ge=0, le=10000)
    loop_temp_c: float = Field(20, ge=-40, le=80)


class Prove(Doc):
    """How it is measured; what was read stands among the facts."""

    meter: Meter = Meter()


class Accepted(Doc):
    """A finding that somebody answered with a reason; the reason goes into the vehicle’s book. ``severity`` is what it was then: answered as advice,
    it is open again when it has become a danger. None, of older answers: whatever it is."""

    finding: str = Field(min_length=1, max_length=200)
    reason: str = Field(min_length=3, max_length=1000)
    severity: Severity | None = None
    by: Name = "owner"
    at: str = Field("", max_length=40)

    def covers(self, severity: Severity) -> bool:
        """Whether the answer still holds for a finding that is so severe now."""
        return self.severity is None or SEVERITIES.index(severity) >= SEVERITIES.index(self.severity)


def answered(accepted: list[Accepted], finding: str, severity: Severity) -> str | None:
    """The reason with which a finding was accepted; None while it is open."""
    return next((a.reason for a in reversed(accepted) if a.finding == finding and a.covers(severity)), None)
