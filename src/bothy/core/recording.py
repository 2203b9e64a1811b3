"""Taking down facts: entries join the evidence, each with what it was judged against."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import NamedTuple

from bothy.core.build.items import items_of, share_of, ticked
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


def _how_far(design: Design, evidence: Sequence[Evidence], entries: list[Entry], before: Report | None) -> list[Entry]:
    """Entries of the log that don't say how far their task is: where it is ticked one by one, or was until now, the share of its items that are ticked
    once they are taken down."""
    silent = [e for e in entries if e.kind == "log" and e.payload is not None and e.payload.get("done_frac") is None]
    if not silent:
        return entries
    then, now = ticked(facts_of(evidence).log), ticked(facts_of(added(evidence, entries)).log)
    of = {e.subject: str(e.payload["task"]) for e in silent if e.payload and (e.payload["task"] in then or e.payload["task"] in now)}
    if not of:
        return entries
    items = items_of(design, sound(design, tuple(evidence), before).report)
    far = {id: share_of(items.get(task, ()), now.get(task, ())) for id, task in of.items()}
    return [e._replace(payload={**e.payload, "done_frac": far[e.subject]}) if e.payload and e.kind == "log" and e.subject in far else e for e in entries]


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
    entries = _how_far(design, evidence, list(entries), before)
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
