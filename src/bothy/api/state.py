"""What the routers share: the repository and the last reports."""

from __future__ import annotations

import uuid
from collections import OrderedDict
from dataclasses import replace
from threading import Lock
from typing import Annotated, Any, NamedTuple

from fastapi import Depends, Request

from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.report import Report
from bothy.core.sound import Sound, sound
from bothy.store.measured import MeasuredLogs
from bothy.store.projects import Projects, VariantHead


class Kept(NamedTuple):
    """A report, and the same as plain data."""

    report: Report
    plain: dict[str, Any]


class Reports:
    """The last reports, by variant and revision. A report follows from its design alone."""

    def __init__(self, size: int = 8) -> None:
        self._items: OrderedDict[tuple[uuid.UUID, int], Kept] = OrderedDict()
        self._lock = Lock()
        self._size = size

    def known(self, variant: uuid.UUID, revision: int) -> Kept | None:
        """The report of a revision, when it is still at hand."""
        with self._lock:
            return self._items.get((variant, revision))

    def of(self, variant: uuid.UUID, revision: int, design: Design) -> Kept:
        """The report of a revision, computed when it is not at hand."""
        return self.known(variant, revision) or self.keep(variant, revision, sound(design))

    def keep(self, variant: uuid.UUID, revision: int, one: Sound) -> Kept:
        """Keep the report that was computed before its design was saved."""
        found = Kept(one.report, one.report.plain())
        with self._lock:
            self._items[variant, revision] = found
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
    head, trouble = store.head(variant, revision), None
    while True:
        try:
            return Standing(replace(head, trouble=trouble or head.trouble), reports.of(variant, head.shown, head.design))
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
