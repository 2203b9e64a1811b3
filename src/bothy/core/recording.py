"""Taking down facts: entries join the evidence, each with what it was judged against."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import NamedTuple

from bothy.core.commissioning.guard import check_entries
from bothy.core.design.document import Design
from bothy.core.facts.evidence import Entry, Evidence, Judged, added, facts_of
from bothy.core.proving.outdated import expected_of
from bothy.core.report import Report
from bothy.core.sound import Sound, sound


class Recorded(NamedTuple):
    """The new entries, and the design with its report on all the evidence."""

    new: tuple[Evidence, ...]
    one: Sound


def record(
    design: Design,
    evidence: Sequence[Evidence],
    entries: Iterable[Entry],
    *,
    variant: str,
    revision: int,
    author: str = "you",
    made_at: str = "",
    before: Report | None = None,
    guarded: bool = True,
) -> Recorded:
    """Entries after the evidence, each with the revision and the figures that it was judged against. ``guarded``: what is locked, or licensed and without a
    licence, is refused. Raises :class:`bothy.core.contract.BadInput`."""
    entries = list(entries)
    if guarded and any(e.kind in ("step", "reading") for e in entries):
        stood = sound(design, tuple(evidence), before).report
        check_entries(stood.commissioned(), facts_of(evidence), entries)
    whole = added(evidence, entries, author, made_at)
    first = sound(design, whole, before)  # what is expected may depend on the reading itself: on the voltage read at the bank
    rows, loops = {r.circuit: r for r in first.report.prove.rows}, first.report.wiring.loops
    new = tuple(
        e.model_copy(
            update={
                "judged": Judged(
                    variant=variant,
                    revision=revision,
                    expected=expected_of(rows.get(e.subject), loops.get(e.subject))
                    if e.kind == "reading"
                    else first.report.commissioned().expects(e.subject)
                    if e.kind == "step"
                    else {},
                )
            }
        )
        for e in whole[len(evidence) :]
    )
    return Recorded(new, sound(design, (*evidence, *new), first.report))
