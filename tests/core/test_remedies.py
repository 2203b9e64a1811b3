"""Remedies and answers: pressed, the finding is gone, nothing worse has come and the design computes; where more is needed the label says so."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.design.document import Design
from bothy.core.design.edit import apply_patch
from bothy.core.facts.evidence import Evidence
from bothy.core.finding import Finding, Remedy, one_cause
from bothy.core.report import Report, report
from bothy.demo.load import DEMOS, demo_of
from tests.core import test_dangers, test_rules
from tests.core.gas import test_gas_rules
from tests.core.warmth import test_warmth_rules
from tests.core.water import test_water_rules
from tests.designs import evidence_in, made

FIRST = "First step: "


def raising() -> dict[str, Any]:
    """Every design of the rules' own cases, and the demos."""
    out: dict[str, Any] = {}
    for room in (test_dangers, test_gas_rules, test_warmth_rules, test_water_rules):
        for rule, (data, _) in room.CASES.items():  # type: ignore[attr-defined]
            out[f"{room.__name__.split('.')[-1]}:{rule}"] = data
    for rule, data in test_rules.RAISED.items():
        out[f"test_rules:{rule}"] = data
    return out


DESIGNS = raising()


def pressed(design: Design, evidence: tuple[Evidence, ...], now: Report, f: Finding, remedy: Remedy) -> list[str]:
    """What is wrong after the press, in words. A leak test that is due again is said on the button; a first step may uncover what comes next."""
    after = report(apply_patch(design, remedy.patch), evidence, now).findings
    had = {x.id for x in now.findings}
    wrong = (
        []
        if remedy.label.startswith(FIRST)
        else [
            f"{x.severity} {x.rule} of {x.subject_name} has come"
            for x in after
            if x.severity in ("danger", "fault") and x.id not in had and x.rule != f.rule and not ("leak test" in remedy.label and x.rule == "gas-test-missing")
        ]
    )
    same = next((x for x in after if x.id == f.id and x.severity == f.severity), None)
    if same is not None and not remedy.label.startswith(FIRST):
        wrong.append(f"{f.rule} is still there: {same.message}")
    return wrong


def at(key: str) -> tuple[Design, tuple[Evidence, ...]]:
    """A design by its name, with what was measured on it."""
    if key in DEMOS:
        one, evidence = demo_of(DEMOS[key])
        return one.design, evidence
    return made(DESIGNS[key]), evidence_in(DESIGNS[key])


@pytest.mark.parametrize("key", sorted([*DESIGNS, *DEMOS]))
def test_a_remedy_does_what_it_says(key: str) -> None:
    design, evidence = at(key)
    now = report(design, evidence)
    bad = [(f.rule, f.fix.label, wrong) for f in now.findings if f.fix is not None and (wrong := pressed(design, evidence, now, f, f.fix))]
    assert not bad


@pytest.mark.parametrize("key", sorted([*DESIGNS, *DEMOS]))
def test_an_answer_ends_its_question(key: str) -> None:
    design, evidence = at(key)
    now = report(design, evidence)
    for f in now.findings:
        assert f.severity == "question" or not f.answers
        assert f.severity != "question" or f.fix is None
        for a in f.answers:
            after = report(apply_patch(design, a.patch), evidence, now).findings
            assert not [x for x in after if x.id == f.id and x.severity == "question"], (f.rule, a.label)


def said(subject: str, message: str, fix: Remedy | None = None) -> Finding:
    return Finding(
        id=f"r:{subject}",
        rule="r",
        severity="advice",
        stage="wiring",
        subject=subject,
        subject_name=subject.title(),
        title="T",
        message=message,
        remedy="R",
        source=[],
        fix=fix,
    )


def test_one_cause_is_told_once_with_all_it_concerns() -> None:
    a, b, c = (said(x, "This is the same sentence.", Remedy(label="Fit", patch=[{"op": "replace", "path": f"/{x}", "value": 1}])) for x in "abc")
    [one] = one_cause([a, b, c])
    assert one.subject == "a"
    assert one.subject_name == "A, B, C"
    assert one.related == ["b", "c"]
    assert one.fix is not None
    assert [op["path"] for op in one.fix.patch] == ["/a", "/b", "/c"]
    assert len(one_cause([a, said("b", "This is another sentence."), said("c", "This is the same sentence.")])) == 3


QUESTIONS = ["test_dangers:wire-ac-surge", "test_dangers:wire-isolator-unsaid", "test_dangers:wire-ac-galvanic"]


@pytest.mark.parametrize("key", QUESTIONS)
def test_a_question_asks_in_its_title_and_counts_as_missing_in_prove(key: str) -> None:
    out = report(made(DESIGNS[key]))
    asked = [f for f in out.findings if f.severity == "question"]
    assert asked
    assert all(f.title.endswith("?") for f in asked)
    assert out.prove.unanswered == len(asked)


def test_an_answered_question_is_not_missing_any_more() -> None:
    asked, said = test_dangers.CASES["wire-ac-surge"]
    assert report(made(said)).prove.unanswered == report(made(asked)).prove.unanswered - 1
