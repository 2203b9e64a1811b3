"""Rules shown by pairs of designs: one that raises the rule, and one beside it that does not."""

from __future__ import annotations

from typing import Any

from bothy.core.design.edit import apply_patch
from bothy.core.finding import Finding
from tests.designs import found, made

Cases = dict[str, tuple[dict[str, Any], dict[str, Any]]]


def raised_only_there(cases: Cases, rule: str, stage: str) -> Finding:
    """The rule's finding of the first design; it says what and what to do, and the second design does not have it."""
    bad, good = cases[rule]
    all_of_it = found(bad)
    assert rule in all_of_it, sorted(f.rule for f in all_of_it.values() if f.stage == stage)
    f = all_of_it[rule]
    assert f.stage == stage
    assert f.message.endswith((".", "%")), f.message
    assert f.remedy
    beside = found(good)
    assert rule not in beside, beside[rule].message
    return f


def with_a_remedy(cases: Cases) -> list[str]:
    """The rules whose first design has a remedy of one press."""
    return [r for r, (bad, _) in cases.items() if (f := found(bad).get(r)) is not None and f.fix is not None]


def after_its_remedy(cases: Cases, rule: str) -> tuple[Finding, Finding | None]:
    """The rule's finding, and the one of the same subject that is left after its remedy was taken."""
    bad = cases[rule][0]
    f = found(bad)[rule]
    assert f.fix is not None
    left = found(apply_patch(made(bad), f.fix.patch).model_dump(mode="json")).get(rule)
    return f, left if left is not None and left.subject == f.subject else None
