"""A small service as a process of its own, on a port that listens from the first moment."""

from __future__ import annotations

import os
import socket
import subprocess
import sys
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from pathlib import Path

ROOT = Path(__file__).parents[1]


@contextmanager
def service_of(app: str, answers: Callable[[str], bool]) -> Iterator[str]:
    """Start it, wait until it ``answers``, and end it; yields its address."""
    with socket.socket() as s:  # whoever asks early is answered when the process is up
        s.bind(("127.0.0.1", 0))
        s.listen()
        command = [sys.executable, "-m", "uvicorn", app, "--fd", str(s.fileno()), "--log-level", "warning"]
        process = subprocess.Popen(command, env={**os.environ, "PYTHONPATH": str(ROOT / "src")}, pass_fds=[s.fileno()])
        url = f"http://127.0.0.1:{s.getsockname()[1]}"
        try:
            while not answers(url):
                assert process.poll() is None, "the service ended"
            yield url
        finally:
            process.terminate()
            process.wait(30)
