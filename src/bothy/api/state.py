"""What the routers share: the repository and the last reports."""

from __future__ import annotations

import uuid
from collections import OrderedDict
from threading import Lock
from typing import Annotated, Any, NamedTuple

from fastapi import Depends, Request

from bothy.core.design.document import Design
from bothy.core.report import Report, report
from bothy.store.measured import MeasuredLogs
from bothy.store.projects import Projects


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
        found = self.known(variant, revision)
        if found is None:
            made = report(design)
            found = Kept(made, made.plain())
            with self._lock:
                self._items[variant, revision] = found
                while len(self._items) > self._size:
                    self._items.popitem(last=False)
        return found


def _projects(request: Request) -> Projects:
    return request.app.state.projects  # type: ignore[no-any-return]


def _reports(request: Request) -> Reports:
    return request.app.state.reports  # type: ignore[no-any-return]


def _logs(request: Request) -> MeasuredLogs:
    return request.app.state.logs  # type: ignore[no-any-return]


LogStore = Annotated[MeasuredLogs, Depends(_logs)]
Store = Annotated[Projects, Depends(_projects)]
Cache = Annotated[Reports, Depends(_reports)]
