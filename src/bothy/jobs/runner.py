"""Runs jobs in threads of this process; the compiled kernels let the interpreter go, so that requests are not held up."""

from __future__ import annotations

import contextlib
import ctypes
import gc
import logging
import time
import uuid
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from threading import Event, Thread
from typing import Any

from sqlalchemy.exc import SQLAlchemyError

from bothy.store.jobs import CANCELLED, DONE, FAILED, Jobs

Between = Callable[[int, int], None]
"""Called with what is done and the whole; raises :class:`Stopped` when the job is to end."""
SAY_EVERY_S = 0.2
AT_ONCE = 2


HOLD_EVERY_S = 2.0


def give_back() -> None:
    """Return memory that long work took to the system; where the C library has no such call, nothing is done."""
    gc.collect()
    with contextlib.suppress(AttributeError, OSError):
        ctypes.CDLL(None).malloc_trim(0)


class Stopped(Exception):
    """The job was cancelled, or the process ends."""


class Runner:
    """Starts jobs and keeps their rows true."""

    def __init__(self, jobs: Jobs) -> None:
        self._jobs = jobs
        self._pool = ThreadPoolExecutor(AT_ONCE, thread_name_prefix="job")
        self._closing = Event()
        Thread(target=self._holds, name="owner", daemon=True).start()

    def start(self, variant: uuid.UUID, revision: int, kind: str, whole: int, work: Callable[[Between], Any]) -> uuid.UUID:
        """Start work on a revision; returns the job's id at once."""
        id = self._jobs.start(variant, revision, kind, whole)
        self._pool.submit(self._run, id, work)
        return id

    def _run(self, id: uuid.UUID, work: Callable[[Between], Any]) -> None:
        said = time.monotonic() - SAY_EVERY_S

        def between(done: int, _: int) -> None:
            nonlocal said
            if self._closing.is_set():
                raise Stopped
            if time.monotonic() - said >= SAY_EVERY_S:
                said = time.monotonic()
                if not self._jobs.progress(id, done):
                    raise Stopped

        try:
            if self._closing.is_set() or not self._jobs.begin(id):
                raise Stopped
            result = work(between)
            self._finish(id, DONE, result=result)
        except Stopped:
            self._finish(id, CANCELLED)
        except Exception as exc:
            logging.getLogger("bothy").exception("job %s failed", id)
            self._finish(id, FAILED, error=str(exc) or type(exc).__name__)
        finally:
            give_back()

    def _finish(self, id: uuid.UUID, state: str, *, result: Any = None, error: str | None = None) -> None:
        """Write down how it ended; a database that is away is waited for, as long as we run."""
        while True:
            try:
                self._jobs.finish(id, state, result=result, error=error)
                return
            except SQLAlchemyError:
                if self._closing.wait(1.0):
                    return

    def _holds(self) -> None:
        """Keep the lock that says this server lives, also when the database was started anew."""
        while not self._closing.wait(HOLD_EVERY_S):
            with contextlib.suppress(SQLAlchemyError):
                self._jobs.owner.hold()

    def close(self) -> None:
        """Stop what runs and what waits, and say so."""
        self._closing.set()
        self._pool.shutdown()
        self._jobs.owner.release()
