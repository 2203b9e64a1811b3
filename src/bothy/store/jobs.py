"""Repository of jobs: the only writer of their table."""

from __future__ import annotations

import datetime as dt
import threading
import uuid
from dataclasses import dataclass
from typing import Any

import orjson
from sqlalchemy import Connection, Engine, delete, func, select, text, update
from sqlalchemy.exc import DBAPIError
from sqlalchemy.orm import Session

from bothy.core.words.says import store_says as says
from bothy.store.projects import Missing
from bothy.store.tables import Job

WAITING, RUNNING, DONE, FAILED, CANCELLED = "waiting", "running", "done", "failed", "cancelled"
OPEN = (WAITING, RUNNING)
KEPT = 5
"""Finished jobs kept of each variant and kind."""


def _now() -> dt.datetime:
    return dt.datetime.now(dt.UTC).replace(tzinfo=None)


@dataclass(frozen=True, slots=True)
class JobRow:
    """A job without its result; ``ahead`` is how many are worked on before it, while it waits."""

    id: uuid.UUID
    variant_id: uuid.UUID
    revision: int
    kind: str
    state: str
    done: int
    whole: int
    error: str | None
    created_at: dt.datetime
    ahead: int = 0


class Owner:
    """The server that works on jobs, known to every other by a lock in the database that it holds as long as it lives: no clock is asked.

    The lock goes with its connection, so that a killed server has none, and a database that was started anew has to be told again.
    """

    def __init__(self, engine: Engine) -> None:
        self.name = f"bothy-{uuid.uuid4()}"
        self._engine, self._held = engine, threading.Lock()
        self._connection: Connection | None = None

    def hold(self) -> None:
        """Take the lock, or make sure that it is still held."""
        with self._held:
            try:
                if self._connection is not None and self._connection.scalar(text("select is_used_lock(:n) = connection_id()"), {"n": self.name}):
                    self._connection.rollback()
                    return
            except DBAPIError:
                pass
            self._drop()
            self._connection = self._engine.connect()
            self._connection.scalar(text("select get_lock(:n, 0)"), {"n": self.name})
            self._connection.rollback()

    def _drop(self) -> None:
        if self._connection is not None:
            self._connection.invalidate()
            self._connection.close()
            self._connection = None

    def release(self) -> None:
        """Give the lock back."""
        with self._held:
            self._drop()


class Jobs:
    """Jobs on the database of an engine."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine
        self.owner = Owner(engine)

    def _row(self, s: Session, j: Job) -> JobRow:
        lost = j.state in OPEN and j.owner != self.owner.name and not s.scalar(text("select is_used_lock(:n)"), {"n": j.owner})
        ahead = 0
        if j.state == WAITING and not lost:
            earlier = select(func.count()).select_from(Job).where(Job.owner == j.owner, Job.state.in_(OPEN), Job.created_at < j.created_at)
            ahead = s.scalar(earlier) or 0
        return JobRow(
            j.id,
            j.variant_id,
            j.revision,
            j.kind,
            FAILED if lost else j.state,
            j.done,
            j.whole,
            says("was-interrupted-start-again") if lost else j.error,
            j.created_at,
            ahead,
        )

    def start(self, variant: uuid.UUID, revision: int, kind: str, whole: int) -> uuid.UUID:
        """A new job that waits for its turn; returns its id."""
        self.owner.hold()
        id, now = uuid.uuid4(), _now()
        with Session(self._engine) as s, s.begin():
            s.add(
                Job(
                    id=id,
                    variant_id=variant,
                    revision=revision,
                    kind=kind,
                    state=WAITING,
                    done=0,
                    whole=whole,
                    cancel_asked=False,
                    owner=self.owner.name,
                    error=None,
                    result=None,
                    created_at=now,
                    updated_at=now,
                )
            )
        return id

    def begin(self, id: uuid.UUID) -> bool:
        """Its turn has come. False when it was cancelled while it waited, or is gone."""
        with Session(self._engine) as s, s.begin():
            begun = s.execute(update(Job).where(Job.id == id, Job.state == WAITING, Job.cancel_asked.is_(False)).values(state=RUNNING, updated_at=_now()))
            return bool(begun.rowcount)  # type: ignore[attr-defined]

    def progress(self, id: uuid.UUID, done: int) -> bool:
        """Say how far it is. False when it is to stop: somebody cancelled it, or it is gone."""
        with Session(self._engine) as s, s.begin():
            s.execute(update(Job).where(Job.id == id).values(done=done, updated_at=_now()))
            return s.scalar(select(Job.cancel_asked).where(Job.id == id)) is False

    def finish(self, id: uuid.UUID, state: str, *, result: Any = None, error: str | None = None) -> None:
        """End a job, with what came of it; older finished ones of its kind are cleared away."""
        found = orjson.dumps(result).decode() if result is not None else None
        with Session(self._engine) as s, s.begin():
            s.execute(update(Job).where(Job.id == id).values(state=state, result=found, error=error[:500] if error else None, updated_at=_now()))
            job = s.get(Job, id)
            if job is None:
                return
            if state == DONE:
                job.done = job.whole
            old = s.scalars(
                select(Job.id)
                .where(Job.variant_id == job.variant_id, Job.kind == job.kind, Job.state.not_in(OPEN))
                .order_by(Job.created_at.desc())
                .offset(KEPT)
            ).all()
            if old:
                s.execute(delete(Job).where(Job.id.in_(old)))

    def cancel(self, id: uuid.UUID) -> None:
        """Ask a job to stop. Raises :class:`Missing` when there is no such job."""
        with Session(self._engine) as s, s.begin():
            if not s.execute(update(Job).where(Job.id == id).values(cancel_asked=True)).rowcount and s.get(Job, id) is None:  # type: ignore[attr-defined]
                raise Missing(says("there-no-job", id=id))
            s.execute(update(Job).where(Job.id == id, Job.state == WAITING).values(state=CANCELLED))

    def get(self, id: uuid.UUID) -> JobRow:
        """A job. Raises :class:`Missing` when there is none."""
        with Session(self._engine) as s:
            job = s.get(Job, id)
            if job is None:
                raise Missing(says("there-no-job", id=id))
            return self._row(s, job)

    def latest(self, variant: uuid.UUID, kind: str) -> JobRow | None:
        """The newest job of a kind."""
        with Session(self._engine) as s:
            job = s.scalars(select(Job).where(Job.variant_id == variant, Job.kind == kind).order_by(Job.created_at.desc()).limit(1)).first()
            return self._row(s, job) if job else None

    def result(self, variant: uuid.UUID, kind: str) -> tuple[int, Any] | None:
        """Revision and result of the newest job of a kind that is done."""
        with Session(self._engine) as s:
            job = s.scalars(select(Job).where(Job.variant_id == variant, Job.kind == kind, Job.state == DONE).order_by(Job.created_at.desc()).limit(1)).first()
            return (job.revision, orjson.loads(job.result)) if job and job.result else None
