"""A design from which everything can be computed: the only kind that is ever kept."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.facts.evidence import Evidence
from bothy.core.report import Report, report
from bothy.core.words.says import core_says as says


class NotComputed(BadInput):
    """The report of a design fails. ``__cause__`` is the failure itself."""


class Sound(NamedTuple):
    """A design with the report that was computed from it; made by :func:`sound` alone."""

    design: Design
    report: Report


def sound(design: Design, evidence: Sequence[Evidence] = (), before: Report | None = None) -> Sound:
    """The design with its report on the evidence; parts of the report ``before`` are taken where nothing that they read has changed. Raises
    :class:`BadInput` that names the key, or :class:`NotComputed` where the sums themselves fail."""
    try:
        return Sound(design, report(design, evidence, before))
    except BadInput:
        raise
    except (ArithmeticError, ValueError, LookupError, TypeError, AttributeError, AssertionError, RecursionError) as exc:
        raise NotComputed("design", says("cant-be-computed-with", name=type(exc).__name__, exc=str(exc)[:160])) from exc
