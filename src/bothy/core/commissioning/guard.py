"""What may be recorded: no step before those that make it safe, no licensed step without a licence."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any

from bothy.core.commissioning.stages import IN_SERVICE
from bothy.core.commissioning.worked import Commissioned
from bothy.core.contract import BadInput
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Entry
from bothy.core.words.says import commissioning_says as says

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
        raise BadInput("steps", says("no-step-this-design", subject=e.subject))
    payload = e.payload or {}
    s = d.step
    if s.record is not None:
        raise BadInput("steps", says("shown-by-own-reading", s_title=s.title))
    if d.blocked:
        raise BadInput("steps", says("locked-first", s_title=s.title, titles=made.titles(d.blocked)))
    value = payload.get("value")
    if s.kind == "value" and value is not None and not s.least <= value <= s.most:
        raise BadInput("value", says("must-lie-between-and", s_title=s.title, least=s.least, most=s.most, unit=s.unit).rstrip())
    if s.kind == "value" and payload.get("ok") is not None:
        raise BadInput("ok", says("needs-value-in-not", s_title=s.title, unit=s.unit))
    if s.kind == "look" and value is not None:
        raise BadInput("value", says("look-answer-yes-or", s_title=s.title))
    if s.by == "licensed":
        for key, word in (("who", says("their-name")), ("licence", says("number-their-licence"))):
            if not str(payload.get(key) or "").strip():
                raise BadInput(key, says("licensed-work-only-licensed", s_title=s.title, word=word))
    if s.by == "two" and not str(payload.get("who") or "").strip():
        raise BadInput("who", says("takes-two-people-write", s_title=s.title))


def _in_service(payload: dict[str, Any]) -> None:
    """Raises :class:`BadInput` unless somebody says by name that the vehicle has been in use, and what shows it."""
    if not str(payload.get("who") or "").strip():
        raise BadInput("who", says("required-who-says-that"))
    if len(str(payload.get("note") or "").strip()) < LEAST_WHY:
        raise BadInput("note", says("required-what-shows-for"))


def _live(made: Commissioned, circuit: str) -> None:
    for d in made.done:
        if d.step.record == "reading" and d.step.record_id == circuit and d.blocked:
            raise BadInput("readings", says("measured-under-power-and", step_title=d.step.title, titles=made.titles(d.blocked)))
