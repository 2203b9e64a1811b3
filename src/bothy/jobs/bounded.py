"""Work that somebody outside gave the size of, in processes of its own: so much memory and so much time, then it is ended and said so."""

from __future__ import annotations

import contextlib
import ctypes
import gc
import importlib
import logging
import multiprocessing
import os
import pickle
import resource
import signal
import time
import traceback
from collections.abc import Callable
from concurrent.futures import TimeoutError as TookTooLong
from pathlib import Path
from threading import Lock, Thread
from typing import Any, NamedTuple

from pebble import ProcessExpired, ProcessPool

from bothy.core.contract import BadInput
from bothy.core.units import NotUnderstood
from bothy.core.words.says import jobs_says as says

MOST_S = 10.0
MOST_BYTES = 256_000_000
"""What one piece of work may take beside the program itself."""
AT_ONCE = 2
AGAIN_AFTER = 200
"""A process is made anew after so many pieces of work, whatever they left behind."""


class _Said(NamedTuple):
    """An answer as it crosses over: a value, or the key and words of a refusal."""

    value: Any = None
    key: str | None = None
    message: str = ""
    trace: str = ""


def _data_bytes() -> int:
    status = Path("/proc/self/status").read_text(encoding="ascii")
    return int(status.split("VmData:")[1].split()[0]) * 1024


def _ends_with(parent: int) -> None:
    """End when the process that started this one is gone, however it went. (The kernel's own signal for that follows the thread that started it.)"""
    while os.getppid() == parent:
        time.sleep(1)
    os._exit(0)


def _begin(rooms: tuple[str, ...]) -> None:
    """In the new process: end with its parent, load what is used, then hold memory to what that takes and some."""
    Thread(target=_ends_with, args=(os.getppid(),), daemon=True).start()
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    for room in rooms:
        importlib.import_module(room)
    _give_back()
    _hold()


def _hold() -> None:
    """From here on so much more memory than there is now: what earlier work loaded and keeps is the program's, and not taken from the next piece."""
    resource.setrlimit(resource.RLIMIT_DATA, (_data_bytes() + MOST_BYTES, resource.RLIM_INFINITY))


def _give_back() -> None:
    """Freed memory goes back to the machine, where the C library can do that. What is left was loaded on the way, and is looked through no more."""
    gc.collect()
    gc.freeze()
    with contextlib.suppress(OSError, AttributeError):
        ctypes.CDLL(None).malloc_trim(0)


def _work(sent: bytes) -> bytes:
    """Both ways cross as bytes that are made here, so that what can't be packed is an error of its own and not of the pool."""
    answer = pickle.dumps(_answered(sent))
    _give_back()
    return answer


def _answered(sent: bytes) -> _Said:
    try:
        _hold()
        work, args = pickle.loads(sent)  # loads the rooms that the work is in
        _hold()
        value = work(*args)
        pickle.dumps(value)
        return _Said(value=value)
    except BadInput as exc:
        return _Said(key=exc.key, message=exc.message)
    except NotUnderstood as exc:
        return _Said(key="text", message=str(exc))
    except MemoryError:
        return _Said(key="size", message=says("needs-more-memory-than"))
    except RecursionError:
        return _Said(key="size", message=says("nested-too-deeply"))
    except Exception as exc:  # what comes from outside may stumble over anything; it is logged beside the answer
        return _Said(key="size", message=says("cant-be-worked-through", name=type(exc).__name__, exc=str(exc)[:120]), trace=traceback.format_exc())


class Refused(BadInput):
    """A refusal from the other side, whose words name the key already."""

    def __init__(self, key: str, message: str) -> None:
        super().__init__(key, "")
        self.message = message
        self.args = (message,)


class Bounded:
    """A pool of such processes, made when it is first asked for."""

    def __init__(self, rooms: tuple[str, ...] = ()) -> None:
        self._rooms, self._lock = rooms, Lock()
        self._pool: ProcessPool | None = None

    def _ready(self) -> ProcessPool:
        with self._lock:
            if self._pool is None:
                # numerical libraries would start a thread for each core, and each takes its stack from the bound
                for name in ("OPENBLAS_NUM_THREADS", "OMP_NUM_THREADS"):
                    os.environ.setdefault(name, "1")
                self._pool = ProcessPool(
                    AT_ONCE, max_tasks=AGAIN_AFTER, initializer=_begin, initargs=[self._rooms], context=multiprocessing.get_context("spawn")
                )
            return self._pool

    def warm(self) -> None:
        """Start the processes, so that the first to ask needn't wait for them."""
        for _ in range(AT_ONCE):
            self._ready().schedule(int)

    def run(self, key: str, work: Callable[..., Any], *args: Any, most_s: float = MOST_S) -> Any:
        """What ``work(*args)`` gives; both must be picklable. ``key`` is named when it is ended for taking too much.

        Raises :class:`BadInput` as the work itself does, and when it takes more than ``most_s`` seconds or too much memory.
        """
        try:
            sent = pickle.dumps((work, args))
        except (RecursionError, MemoryError):
            raise BadInput(key, says("nested-too-deeply-or")) from None
        try:
            said: _Said = pickle.loads(self._answer(sent, most_s))
        except TookTooLong:
            raise BadInput(key, says("takes-longer-than-to", most_s=most_s)) from None
        except ProcessExpired:
            raise BadInput(key, says("needs-more-memory-than")) from None
        if said.trace:
            logging.getLogger("bothy").error("%s stumbled: %s", getattr(work, "__qualname__", work), said.trace)
        if said.key is not None:
            raise Refused(key if said.key == "size" else said.key, f"{key}: {said.message}" if said.key == "size" else said.message)
        return said.value

    def _answer(self, sent: bytes, most_s: float) -> bytes:
        """What comes back; once more from new processes where the pool itself has broken down or was stopped."""
        pool = self._ready()
        try:
            return bytes(pool.schedule(_work, args=[sent], timeout=most_s).result())
        except RuntimeError:
            logging.getLogger("bothy").exception("the processes with bounds are started anew")
            with self._lock:
                if self._pool is pool:
                    self._pool = None
            return bytes(self._ready().schedule(_work, args=[sent], timeout=most_s).result())

    def close(self) -> None:
        """End the processes."""
        with self._lock, contextlib.suppress(RuntimeError):
            if self._pool is not None:
                self._pool.stop()  # type: ignore[no-untyped-call]
                self._pool.join(5)
                self._pool = None


BOUNDED = Bounded(
    (
        "bothy.core.calculators",
        "bothy.formats.appliances_csv",
        "bothy.formats.itinerary",
        "bothy.formats.log_files",
        "bothy.formats.picture",
        "bothy.formats.weather_files",
        "bothy.formats.workbook",
    )
)
"""The pool of this process."""
