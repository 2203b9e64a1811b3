"""How bad a finding is, from the worst down. A question is what nobody has said yet: answered well it goes, answered badly it becomes a finding."""

from __future__ import annotations

from typing import Literal

Severity = Literal["danger", "fault", "advice", "question", "note"]
SEVERITIES: tuple[Severity, ...] = ("danger", "fault", "advice", "question", "note")
