"""The whole application on a free port, in a thread of the test process, and a browser that notices every complaint."""

from __future__ import annotations

import socket
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import uvicorn

from bothy.api.app import create_app
from bothy.settings import Settings

ROOT = Path(__file__).parents[2]
CHROMIUM = next((str(p) for p in map(Path, ("/usr/bin/chromium-headless-shell", "/usr/bin/chromium")) if p.exists()), "chromium")
ARGUMENTS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--no-first-run",
    "--disable-quic",
]
PATIENCE_MS = 120_000
"""So long a test waits for what a page is to show before it fails; a machine may be many times slower than the one it was written on."""
AXE = ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js"


@contextmanager
def served(database_url: str) -> Iterator[str]:
    """Serve the built front end and the API; yields the address."""
    app = create_app(Settings(database_url=database_url, front_end=str(ROOT / "web" / "dist"), log_requests=False))
    sock = socket.socket()
    sock.bind(("127.0.0.1", 0))
    server = uvicorn.Server(uvicorn.Config(app, log_level="warning", access_log=False))
    thread = threading.Thread(target=server.run, kwargs={"sockets": [sock]}, daemon=True)
    thread.start()
    try:
        yield f"http://127.0.0.1:{sock.getsockname()[1]}"
    finally:
        server.should_exit = True
        thread.join(10)
        sock.close()


def watch(page: Any, base: str, complaints: list[str]) -> None:
    """Collect console errors, page errors and requests that leave the application."""
    page.on("console", lambda m: complaints.append(f"console: {m.text}") if m.type == "error" and "Failed to load resource" not in m.text else None)
    page.on("pageerror", lambda e: complaints.append(f"page: {e}"))
    page.on("request", lambda r: complaints.append(f"request to {r.url}") if not r.url.startswith((base, "data:", "blob:")) else None)
