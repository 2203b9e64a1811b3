"""The evidence of projects: entries are only ever added, in the transaction of whoever calls."""

from __future__ import annotations

import datetime as dt
import uuid
from collections import OrderedDict
from collections.abc import Sequence
from threading import Lock
from typing import cast

import orjson
from sqlalchemy import func, select
from sqlalchemy.orm import Session

from bothy.core.facts.evidence import Evidence, Judged, Kind
from bothy.store.tables import EvidenceRow


def number_of(s: Session, project: uuid.UUID) -> int:
    """The newest entry's number; 0 where there is none."""
    return s.scalar(select(func.max(EvidenceRow.number)).where(EvidenceRow.project_id == project)) or 0


def _entry(row: EvidenceRow) -> Evidence:
    judged = Judged(variant=str(row.variant_id), revision=row.revision, expected=orjson.loads(row.expected)) if row.variant_id and row.revision else None
    return Evidence.model_construct(
        number=row.number,
        kind=cast(Kind, row.kind),
        subject=row.subject,
        payload=orjson.loads(row.payload) if row.payload is not None else None,
        corrects=row.corrects,
        judged=judged,
        author=row.author,
        made_at=row.created_at.replace(tzinfo=dt.UTC).isoformat(timespec="seconds"),
    )


def _moment(text: str) -> dt.datetime | None:
    """A time as an entry says it, in UTC; None where it says none."""
    if not text:
        return None
    at = dt.datetime.fromisoformat(text)
    return at.astimezone(dt.UTC).replace(tzinfo=None) if at.tzinfo else at


class EvidenceLog:
    """Reads and adds entries. What was read is kept by its number, for an entry never changes."""

    def __init__(self, size: int = 32) -> None:
        self._kept: OrderedDict[uuid.UUID, tuple[Evidence, ...]] = OrderedDict()
        self._lock = Lock()
        self._size = size

    def read(self, s: Session, project: uuid.UUID) -> tuple[Evidence, ...]:
        """All entries of a project, oldest first."""
        newest = number_of(s, project)
        with self._lock:
            kept = self._kept.get(project, ())
        if len(kept) == newest:
            return kept
        rows = s.scalars(select(EvidenceRow).where(EvidenceRow.project_id == project).order_by(EvidenceRow.number)).all()
        found = tuple(_entry(r) for r in rows)
        with self._lock:
            self._kept[project] = found
            self._kept.move_to_end(project)
            while len(self._kept) > self._size:
                self._kept.popitem(last=False)
        return found

    def add(self, s: Session, project: uuid.UUID, new: Sequence[Evidence], now: dt.datetime, edit: uuid.UUID | None = None) -> None:
        """Add entries, numbered on from the newest."""
        for e in new:
            s.add(
                EvidenceRow(
                    project_id=project,
                    number=e.number,
                    kind=e.kind,
                    subject=e.subject,
                    payload=None if e.payload is None else orjson.dumps(e.payload).decode(),
                    corrects=e.corrects,
                    variant_id=uuid.UUID(e.judged.variant) if e.judged else None,
                    revision=e.judged.revision if e.judged else None,
                    expected=orjson.dumps(e.judged.expected if e.judged else {}).decode(),
                    author=e.author,
                    created_at=_moment(e.made_at) or now,
                    edit_id=edit,
                )
            )
