"""What the routers share: the repository and the last reports."""

from __future__ import annotations

import uuid
from collections import OrderedDict, deque
from collections.abc import Sequence
from dataclasses import replace
from threading import Lock
from typing import Annotated, NamedTuple

import orjson
from fastapi import Depends, Request

from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.facts.evidence import Evidence, facts_of
from bothy.core.report import Report
from bothy.core.sent import Sent, sent
from bothy.core.sound import Sound, sound
from bothy.store.measured import MeasuredLogs
from bothy.store.projects import Projects, VariantHead


class Turns:
    """So many at once, and the others in the order in which they came: nobody waits twice as long as the rest."""

    def __init__(self, at_once: int) -> None:
        self._free, self._waiting, self._lock = at_once, deque[Lock](), Lock()

    def __enter__(self) -> None:
        with self._lock:
            if self._free:
                self._free -= 1
                return
            mine = Lock()
            mine.acquire()
            self._waiting.append(mine)
        mine.acquire()  # given by whoever is done

    def __exit__(self, *_: object) -> None:
        with self._lock:
            if self._waiting:
                self._waiting.popleft().release()
            else:
                self._free += 1


TURNS = Turns(1)
"""One report is computed at a time: more only take the interpreter from each other, and each then takes longer than in turn."""
EDITS = Turns(3)
"""So many edits are worked on at a time: one is computed while others are with the database. Twenty at once took half of the time from each other."""


def computed(design: Design, evidence: Sequence[Evidence] = (), before: Report | None = None) -> Sound:
    """The design with its report, in its turn, with what it shares with the report ``before``. Raises as :func:`sound` does."""
    with TURNS:
        return sound(design, evidence, before)


def newest(evidence: tuple[Evidence, ...]) -> int:
    """Number of the newest entry; 0 where there is none."""
    return evidence[-1].number if evidence else 0


class Kept(NamedTuple):
    """A design with its report, as they are sent, the number of the newest entry of evidence in it, and the facts as JSON."""

    sent: Sent
    facts: int
    told: bytes

    @property
    def design(self) -> Design:
        """The design that the report was computed from."""
        return self.sent.one.design

    @property
    def report(self) -> Report:
        """Everything computed from the design."""
        return self.sent.one.report


class Reports:
    """The newest report of each variant, of the variants that were asked for last. A report follows from its design and the evidence alone.

    Of each variant one alone: two would take twice the memory, and more of one variant would push out those of others who work at the same time.
    """

    def __init__(self, size: int = 24) -> None:
        """``size``: so many variants."""
        self._items: OrderedDict[uuid.UUID, tuple[int, Kept]] = OrderedDict()
        self._lock = Lock()
        self._size = size

    def known(self, variant: uuid.UUID, revision: int) -> Kept | None:
        """The report of a revision, when it is still at hand."""
        with self._lock:
            number, found = self._items.get(variant, (0, None))
            if found is None or number != revision:
                return None
            self._items.move_to_end(variant)
            return found

    def of(self, variant: uuid.UUID, revision: int, design: Design, evidence: tuple[Evidence, ...]) -> Kept:
        """The report of a revision on the evidence, computed when it is not at hand."""
        found = self.known(variant, revision)
        if found is not None and found.facts == newest(evidence):
            return found
        one = computed(design, evidence, found.report if found else None)
        return self.keep(variant, revision, sent(one, found.sent if found else None), evidence)

    def keep(self, variant: uuid.UUID, revision: int, one: Sent, evidence: tuple[Evidence, ...]) -> Kept:
        """Keep the report that was computed before its design was saved."""
        number = newest(evidence)
        with self._lock:
            old = self._items.get(variant)
        told = old[1].told if old is not None and old[1].facts == number else orjson.dumps(facts_of(evidence).model_dump(mode="json"))
        found = Kept(one, number, told)
        with self._lock:
            if self._items.get(variant, (0, None))[0] <= revision:  # an older one that was asked for again doesn't take the newest one's place
                self._items[variant] = revision, found
            self._items.move_to_end(variant)
            while len(self._items) > self._size:
                self._items.popitem(last=False)
        return found


class Standing(NamedTuple):
    """A variant with its newest design that can be computed, and the report of that."""

    head: VariantHead
    kept: Kept


def standing(store: Projects, reports: Reports, variant: uuid.UUID, revision: int | None = None) -> Standing:
    """A variant as it stands at its newest revision (or at ``revision``): where that can't be computed by today's code, the newest before it that can.

    The head then says why in ``trouble``; an edit or an undo goes on top of the newest revision all the same.
    """

    def known(number: int) -> Design | None:
        kept = reports.known(variant, number)
        return kept.design if kept else None

    head, trouble = store.head(variant, revision, known), None
    while True:
        try:
            return Standing(replace(head, trouble=trouble or head.trouble), reports.of(variant, head.shown, head.design, head.evidence))
        except BadInput as exc:
            if head.shown <= 0:
                raise
            trouble = trouble or head.trouble or exc.message
            head = store.head(variant, head.shown - 1)


def _projects(request: Request) -> Projects:
    return request.app.state.projects  # type: ignore[no-any-return]


def _reports(request: Request) -> Reports:
    return request.app.state.reports  # type: ignore[no-any-return]


def _logs(request: Request) -> MeasuredLogs:
    return request.app.state.logs  # type: ignore[no-any-return]


LogStore = Annotated[MeasuredLogs, Depends(_logs)]
Store = Annotated[Projects, Depends(_projects)]
Cache = Annotated[Reports, Depends(_reports)]
