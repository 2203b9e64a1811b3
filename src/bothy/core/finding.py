"""Findings: what a rule says about the design, and the registry of the rules.

A rule's id, severity and source come from the handbook's chapters; its message gives the figures of its
condition and its remedy says what to do. A ``patch`` is there only where the remedy is a definite change.
"""

from __future__ import annotations

from typing import Any, Literal

from pydantic import BaseModel

Severity = Literal["danger", "fault", "advice", "note"]
SEVERITIES: tuple[Severity, ...] = ("danger", "fault", "advice", "note")
Stage = Literal["vehicle", "life", "power", "trips", "wiring", "warmth", "water", "gas", "prove"]


class Rule(BaseModel):
    """One row of a chapter's rule table."""

    id: str
    severity: Severity
    stage: Stage
    title: str
    remedy: str
    source: str


class Remedy(BaseModel):
    """A definite change: a JSON Patch on the design, and the words for the button."""

    label: str
    patch: list[dict[str, Any]]

    @classmethod
    def sets(cls, label: str, item: str, id: str | None = None, /, **values: Any) -> Remedy:
        """Set fields of the item at the path ``item``; with an ``id``, only while that item still stands there."""
        still = [{"op": "test", "path": f"{item}/id", "value": id}] if id is not None else []
        return cls(label=label, patch=[*still, *({"op": "replace", "path": f"{item}/{k}", "value": v} for k, v in values.items())])


class Finding(BaseModel):
    """What a rule says of one subject (an item's id, or the name of a stage); ``related`` items it also concerns; ``rests_on`` names what is only assumed behind its figures."""

    id: str
    rule: str
    severity: Severity
    stage: Stage
    subject: str
    subject_name: str
    title: str
    message: str
    remedy: str
    source: str
    figures: list[str] = []
    related: list[str] = []
    rests_on: list[str] = []
    fix: Remedy | None = None
    accepted: str | None = None


RULES: dict[str, Rule] = {}


def rule(id: str, severity: Severity, stage: Stage, title: str, remedy: str, source: str) -> Rule:
    """Register a rule. Raises ValueError when the id is taken."""
    if id in RULES:
        raise ValueError(f"rule {id} is registered twice")
    made = Rule(id=id, severity=severity, stage=stage, title=title, remedy=remedy, source=source)
    RULES[id] = made
    return made


def rules(stage: Stage, rows: tuple[tuple[str, Severity, str, str, str], ...]) -> None:
    """Register the rules of a table: id, severity, title, remedy, source."""
    for id, severity, title, remedy, source in rows:
        rule(id, severity, stage, title, remedy, source)


def finding(
    rule_id: str,
    subject: str,
    subject_name: str,
    message: str,
    *,
    figures: list[str] | None = None,
    related: list[str] | None = None,
    fix: Remedy | None = None,
    severity: Severity | None = None,
    remedy: str | None = None,
) -> Finding:
    """A finding of a registered rule about ``subject``."""
    r = RULES[rule_id]
    return Finding(
        id=f"{rule_id}:{subject}",
        rule=rule_id,
        severity=severity or r.severity,
        stage=r.stage,
        subject=subject,
        subject_name=subject_name,
        title=r.title,
        message=message,
        remedy=remedy or r.remedy,
        source=r.source,
        figures=figures or [],
        related=related or [],
        fix=fix,
    )


def in_order(findings: list[Finding]) -> list[Finding]:
    """Most severe first; within a severity the order in which the rules were run."""
    return sorted(findings, key=lambda f: SEVERITIES.index(f.severity))
