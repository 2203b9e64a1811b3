"""Runs jobs in threads of this process; the compiled kernels let the interpreter go, so that requests are not held up."""

from __future__ import annotations

import logging
import time
import uuid
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from threading import Event
from typing import Any

from bothy.store.jobs import CANCELLED, DONE, FAILED, Jobs

Between = Callable[[int, int], None]
"""Called with what is done and the whole; raises :class:`Stopped` when the job is to end."""
SAY_EVERY_S = 0.2
AT_ONCE = 2


class Stopped(Exception):
    """The job was cancelled, or the process ends."""


class Runner:
    """Starts jobs and keeps their rows true."""

    def __init__(self, jobs: Jobs) -> None:
        self._jobs = jobs
        self._pool = ThreadPoolExecutor(AT_ONCE, thread_name_prefix="job")
        self._closing = Event()

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
            between(0, 0)
            result = work(between)
            self._jobs.finish(id, DONE, result=result)
        except Stopped:
            self._jobs.finish(id, CANCELLED)
        except Exception as exc:
            logging.getLogger("bothy").exception("job %s failed", id)
            self._jobs.finish(id, FAILED, error=str(exc) or type(exc).__name__)

    def close(self) -> None:
        """Stop what runs and wait for it."""
        self._closing.set()
        self._pool.shutdown(cancel_futures=True)
