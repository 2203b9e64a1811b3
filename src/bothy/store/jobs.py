"""Repository of jobs: the only writer of their table."""

from __future__ import annotations

import datetime as dt
import uuid
from dataclasses import dataclass
from typing import Any

import orjson
from sqlalchemy import Engine, delete, select, update
from sqlalchemy.orm import Session

from bothy.store.projects import Missing
from bothy.store.tables import Job

RUNNING, DONE, FAILED, CANCELLED = "running", "done", "failed", "cancelled"
SILENT = dt.timedelta(seconds=30)
"""A running job that says nothing for so long has lost its process."""
KEPT = 5
"""Finished jobs kept of each variant and kind."""


def _now() -> dt.datetime:
    return dt.datetime.now(dt.UTC).replace(tzinfo=None)


@dataclass(frozen=True, slots=True)
class JobRow:
    """A job without its result."""

    id: uuid.UUID
    variant_id: uuid.UUID
    revision: int
    kind: str
    state: str
    done: int
    whole: int
    error: str | None
    created_at: dt.datetime


def _row(j: Job) -> JobRow:
    lost = j.state == RUNNING and _now() - j.updated_at > SILENT
    return JobRow(
        j.id,
        j.variant_id,
        j.revision,
        j.kind,
        FAILED if lost else j.state,
        j.done,
        j.whole,
        "was interrupted; start it again" if lost else j.error,
        j.created_at,
    )


class Jobs:
    """Jobs on the database of an engine."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def start(self, variant: uuid.UUID, revision: int, kind: str, whole: int) -> uuid.UUID:
        """A new running job; returns its id."""
        id, now = uuid.uuid4(), _now()
        with Session(self._engine) as s, s.begin():
            s.add(Job(id=id, variant_id=variant, revision=revision, kind=kind, state=RUNNING, done=0, whole=whole, cancel_asked=False, error=None, result=None,
                      created_at=now, updated_at=now))  # fmt: skip
        return id

    def progress(self, id: uuid.UUID, done: int) -> bool:
        """Say how far it is. False when it is to stop: somebody cancelled it, or it is gone."""
        with Session(self._engine) as s, s.begin():
            s.execute(update(Job).where(Job.id == id).values(done=done, updated_at=_now()))
            return s.scalar(select(Job.cancel_asked).where(Job.id == id)) is False

    def finish(self, id: uuid.UUID, state: str, *, result: Any = None, error: str | None = None) -> None:
        """End a job, with what came of it; older finished ones of its kind are cleared away."""
        text = orjson.dumps(result).decode() if result is not None else None
        with Session(self._engine) as s, s.begin():
            s.execute(update(Job).where(Job.id == id).values(state=state, result=text, error=error[:500] if error else None, updated_at=_now()))
            job = s.get(Job, id)
            if job is None:
                return
            if state == DONE:
                job.done = job.whole
            old = s.scalars(
                select(Job.id).where(Job.variant_id == job.variant_id, Job.kind == job.kind, Job.state != RUNNING).order_by(Job.created_at.desc()).offset(KEPT)
            ).all()
            if old:
                s.execute(delete(Job).where(Job.id.in_(old)))

    def cancel(self, id: uuid.UUID) -> None:
        """Ask a job to stop. Raises :class:`Missing` when there is no such job."""
        with Session(self._engine) as s, s.begin():
            if not s.execute(update(Job).where(Job.id == id).values(cancel_asked=True)).rowcount:  # type: ignore[attr-defined]
                raise Missing(f"there is no job {id}")

    def get(self, id: uuid.UUID) -> JobRow:
        """A job. Raises :class:`Missing` when there is none."""
        with Session(self._engine) as s:
            job = s.get(Job, id)
            if job is None:
                raise Missing(f"there is no job {id}")
            return _row(job)

    def latest(self, variant: uuid.UUID, kind: str) -> JobRow | None:
        """The newest job of a kind."""
        with Session(self._engine) as s:
            job = s.scalars(select(Job).where(Job.variant_id == variant, Job.kind == kind).order_by(Job.created_at.desc()).limit(1)).first()
            return _row(job) if job else None

    def result(self, variant: uuid.UUID, kind: str) -> tuple[int, Any] | None:
        """Revision and result of the newest job of a kind that is done."""
        with Session(self._engine) as s:
            job = s.scalars(select(Job).where(Job.variant_id == variant, Job.kind == kind, Job.state == DONE).order_by(Job.created_at.desc()).limit(1)).first()
            return (job.revision, orjson.loads(job.result)) if job and job.result else None
