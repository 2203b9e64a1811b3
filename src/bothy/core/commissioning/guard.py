"""What may be recorded: no step before those that make it safe, no licensed step without a licence."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from bothy.core.commissioning.stages import IN_SERVICE
from bothy.core.commissioning.worked import Commissioned
from bothy.core.contract import BadInput
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Entry

LEAST_WHY = 10
POWERED = ("source_voltage_v", "load_voltage_v", "current_a", "shunt_a")
"""What a reading says of a circuit that is live."""


def check_entries(made: Commissioned, facts: Facts, entries: Iterable[Entry]) -> None:
    """Raises :class:`BadInput` naming the step and what comes first, where an entry records what is locked or not theirs to record."""
    readings = {r.circuit: r.model_dump(mode="json") for r in facts.readings}
    for e in entries:
        if e.payload is None:
            continue
        if e.kind == "step":
            _step(made, e)
        elif e.kind == "reading":
            before = readings.get(e.subject, {})
            if any(e.payload.get(k) is not None and e.payload.get(k) != before.get(k) for k in POWERED):
                _live(made, e.subject)


def _step(made: Commissioned, e: Entry) -> None:
    d = made.by_id.get(e.subject)
    if e.subject == IN_SERVICE:
        _in_service(e.payload or {})
        return
    if d is None:
        raise BadInput("steps", f"“{e.subject}” is no step of this design")
    payload = e.payload or {}
    s = d.step
    if s.record is not None:
        raise BadInput("steps", f"“{s.title}” is shown by its own reading or test; enter that")
    if d.blocked:
        raise BadInput("steps", f"“{s.title}” is locked. First: {made.titles(d.blocked)}")
    value = payload.get("value")
    if s.kind == "value" and value is not None and not s.least <= value <= s.most:
        raise BadInput("value", f"of “{s.title}” must lie between {s.least:g} and {s.most:g} {s.unit}".rstrip())
    if s.kind == "value" and payload.get("ok") is not None:
        raise BadInput("ok", f"“{s.title}” needs a value in {s.unit}, not yes or no")
    if s.kind == "look" and value is not None:
        raise BadInput("value", f"“{s.title}” is a look: answer yes or no")
    if s.by == "licensed":
        for key, word in (("who", "their name"), ("licence", "the number of their licence")):
            if not str(payload.get(key) or "").strip():
                raise BadInput(key, f"“{s.title}” is licensed work: only the licensed person records it, with {word}")
    if s.by == "two" and not str(payload.get("who") or "").strip():
        raise BadInput("who", f"“{s.title}” takes two people; write both names")


def _in_service(payload: dict[str, Any]) -> None:
    """Raises :class:`BadInput` unless somebody says by name that the vehicle has been in use, and what shows it."""
    if not str(payload.get("who") or "").strip():
        raise BadInput("who", "is required: who says that it has been in use already")
    if len(str(payload.get("note") or "").strip()) < LEAST_WHY:
        raise BadInput("note", "is required: what shows it, for example “driven and lived in since 2019, last inspected in May”")


def _live(made: Commissioned, circuit: str) -> None:
    for d in made.done:
        if d.step.record == "reading" and d.step.record_id == circuit and d.blocked:
            raise BadInput("readings", f"“{d.step.title}” is measured under power, and that is locked. First: {made.titles(d.blocked)}")
