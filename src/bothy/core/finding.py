"""Findings and questions: what a rule says about the design or must ask first, and the registry of the rules.

A rule has an id, a severity and its sources; what it is called and what to do stands in its catalogue, and the message of a finding gives the figures of its
condition. A ``patch`` is there only where the remedy is a definite change.
"""

from __future__ import annotations

from typing import Any, Literal, get_args

from pydantic import BaseModel, ConfigDict

from bothy.core.figure_keys import check
from bothy.core.method.sources import Cited, SourceOut, written
from bothy.core.severity import SEVERITIES, Severity
from bothy.core.words.catalogues import Catalogue
from bothy.core.words.says import core_says as says

Stage = Literal["vehicle", "life", "power", "trips", "wiring", "warmth", "water", "gas", "fit", "build", "prove", "handover"]
"""The twelve stages of the work."""


WORDS = Catalogue("bothy.core.words", [f"rules/{stage}" for stage in get_args(Stage) if stage not in ("life", "handover")])
"""What the rules say: title, remedy and, where it begins as a question, how that is asked. A file a stage; Daily use and Hand over have no rules."""


class Rule(BaseModel):
    """One row of a field's rule table. Its words stand in the catalogue of its stage, under its id."""

    model_config = ConfigDict(arbitrary_types_allowed=True)

    id: str
    severity: Severity
    stage: Stage
    source: Cited

    @property
    def title(self) -> str:
        """What is wrong, in the trade's noun."""
        return WORDS.plain(self.id) or ""

    @property
    def remedy(self) -> str:
        """What to do; begins with a verb."""
        return WORDS.plain(self.id, "remedy") or ""

    @property
    def asked(self) -> str:
        """The title while nobody has said how it is."""
        return WORDS.plain(self.id, "asked") or self.title


class Remedy(BaseModel):
    """A definite change: a JSON Patch on the design, and the words for the button."""

    label: str
    patch: list[dict[str, Any]]

    def first_step(self) -> Remedy:
        """The same change, with words that say more is needed after it."""
        if self.label.startswith("First step"):
            return self
        return self.model_copy(update={"label": says("first-step", self_label=self.label[0].lower(), self_label_2=self.label[1:])})

    @classmethod
    def sets(cls, label: str, item: str, id: str | None = None, /, **values: Any) -> Remedy:
        """Set fields of the item at the path ``item``; with an ``id``, only while that item still stands there."""
        still = [{"op": "test", "path": f"{item}/id", "value": id}] if id is not None else []
        return cls(label=label, patch=[*still, *({"op": "replace", "path": f"{item}/{k}", "value": v} for k, v in values.items())])


class Finding(BaseModel):
    """What a rule says of one subject (an item's id, or the name of a stage); ``related`` items it also concerns; ``rests_on`` names what is only
    assumed behind its figures.

    ``answers`` of a question are changes, each with the words of its button; ``fix`` is the one-press remedy of a finding.
    """

    id: str
    rule: str
    severity: Severity
    stage: Stage
    subject: str
    subject_name: str
    title: str
    message: str
    remedy: str
    source: list[SourceOut]
    figures: list[str] = []
    related: list[str] = []
    rests_on: list[str] = []
    fix: Remedy | None = None
    answers: list[Remedy] = []
    accepted: str | None = None


RULES: dict[str, Rule] = {}


def rule(id: str, severity: Severity, stage: Stage, source: Cited) -> Rule:
    """Register a rule. Raises ValueError when the id is taken."""
    if id in RULES:
        raise ValueError(f"rule {id} is registered twice")
    made = Rule(id=id, severity=severity, stage=stage, source=source)
    RULES[id] = made
    return made


def rules(stage: Stage, rows: tuple[tuple[str, Severity, Cited], ...]) -> None:
    """Register the rules of a table: id, severity, source."""
    for id, severity, source in rows:
        rule(id, severity, stage, source)


def finding(
    rule_id: str,
    subject: str,
    subject_name: str,
    message: str,
    *,
    beside: str = "",
    figures: list[str] | None = None,
    related: list[str] | None = None,
    fix: Remedy | None = None,
    answers: list[Remedy] | None = None,
    severity: Severity | None = None,
    remedy: str | None = None,
) -> Finding:
    """A finding of a registered rule about ``subject``; ``beside``: what it meets, where one subject may have several of the rule at once."""
    r = RULES[rule_id]
    return Finding(
        id=f"{rule_id}:{subject}+{beside}" if beside else f"{rule_id}:{subject}",
        rule=rule_id,
        severity=severity or r.severity,
        stage=r.stage,
        subject=subject,
        subject_name=subject_name,
        title=r.asked if severity == "question" else r.title,
        message=message,
        remedy=remedy or r.remedy,
        source=written(r.source),
        figures=[check(k) for k in figures or ()],
        related=related or [],
        fix=fix,
        answers=answers or [],
    )


TOLD_TOGETHER = {"warm-rib-share", "warm-glass-wet", "warm-mould-risk", "warm-interstitial-small"}
"""Rules whose findings have one cause even where their figures differ: the build of the shell, the damp of the air."""


def one_cause(found: list[Finding]) -> list[Finding]:
    """Findings of one rule that say the same, or have the same cause, as one: the others' subjects are related items, their remedies one change."""
    out: dict[tuple[str, str, str, str], Finding] = {}
    for f in found:
        label = f.fix.label if f.fix else ""
        key = (f.rule, f.severity, "" if f.rule in TOLD_TOGETHER else f.message, label)
        first = out.get(key)
        if first is None:
            out[key] = f
            continue
        related = list(dict.fromkeys(x for x in (*first.related, f.subject, *f.related) if x != first.subject))
        fix = first.fix and f.fix and Remedy(label=label, patch=[*first.fix.patch, *(op for op in f.fix.patch if op not in first.fix.patch)])
        message = first.message if f.message in first.message else f"{first.message} {f.subject_name.capitalize()}: {f.message}"
        names = first.subject_name if f.subject_name in first.subject_name.split(", ") else f"{first.subject_name}, {f.subject_name}"
        out[key] = first.model_copy(
            update={
                "related": related,
                "fix": fix,
                "message": message,
                "subject_name": names,
                "answers": first.answers if first.subject == f.subject else [],
                "figures": list(dict.fromkeys([*first.figures, *f.figures])),
                "rests_on": list(dict.fromkeys([*first.rests_on, *f.rests_on])),
            }
        )
    return list(out.values())


def in_order(findings: list[Finding]) -> list[Finding]:
    """Most severe first; within a severity the order in which the rules were run."""
    return sorted(findings, key=lambda f: SEVERITIES.index(f.severity))
