"""Child processes that never outlive the one that started them, and finding those of a run that was killed."""

from __future__ import annotations

import contextlib
import ctypes
import os
import signal
import subprocess
import time
from collections.abc import Sequence
from pathlib import Path
from typing import Any

from bothy.running.ending import Ended, undisturbed

PR_SET_PDEATHSIG = 1
_libc = ctypes.CDLL(None, use_errno=True)


def _dies_with(sig: int) -> Any:
    def prepare() -> None:
        _libc.prctl(PR_SET_PDEATHSIG, sig, 0, 0, 0)
        os.setsid()

    return prepare


def child(command: Sequence[str], *, end: int = signal.SIGTERM, **options: Any) -> subprocess.Popen[bytes]:
    """Start a program in a session of its own, so that a key pressed in the terminal is left to us; it gets ``end`` when we die, however we do.
    Raises :class:`Ended` where we are asked to end meanwhile; the child is stopped then."""
    made: subprocess.Popen[bytes] | None = None
    try:
        with undisturbed():
            made = subprocess.Popen(command, preexec_fn=_dies_with(end), stdin=options.pop("stdin", subprocess.DEVNULL), **options)
    except Ended:
        stop(made, 10)
        raise
    return made


def ended(process: subprocess.Popen[bytes] | None) -> bool:
    """Whether a child was running and does not any more. Raises :class:`Ended` where we were asked to end."""
    with undisturbed():
        return process is not None and process.poll() is not None


def stop(process: subprocess.Popen[bytes] | None, patience_s: float) -> None:
    """Ask a child to end, and end it when it doesn't."""
    if process is None or process.poll() is not None:
        return
    process.terminate()
    try:
        process.wait(patience_s)
    except subprocess.TimeoutExpired:
        process.kill()
        process.wait()


def that_use(folder: Path) -> list[int]:
    """Processes (but this one) that have files or options of a folder on their command line: left over from a run that was killed."""
    out = []
    for entry in Path("/proc").iterdir():
        if not entry.name.isdigit() or int(entry.name) == os.getpid():
            continue
        with contextlib.suppress(OSError):
            words = (entry / "cmdline").read_bytes().decode("utf-8", "replace").split("\0")
            if any(w.endswith(f"={folder}") or f"={folder}/" in w for w in words):
                out.append(int(entry.name))
    return out


def end_all_that_use(folder: Path, patience_s: float = 30.0) -> None:
    """End what a killed run left behind; first asked, then forced."""
    left = that_use(folder)
    for pid in left:
        with contextlib.suppress(OSError):
            os.kill(pid, signal.SIGTERM)
    until = time.monotonic() + patience_s
    while left and time.monotonic() < until:
        time.sleep(0.05)
        left = that_use(folder)
    for pid in left:
        with contextlib.suppress(OSError):
            os.kill(pid, signal.SIGKILL)
    while that_use(folder):
        time.sleep(0.05)
