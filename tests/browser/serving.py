"""The whole application on a free port, in a thread of the test process, and a browser that notices every complaint."""

from __future__ import annotations

import socket
import sys
import threading
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

import uvicorn
from playwright.sync_api import Page, Request

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


CALM = "() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(() => done(true)))))"
GO = """to => {
  history.pushState({ idx: (history.state?.idx ?? 0) + 1, key: crypto.randomUUID() }, "", to);
  dispatchEvent(new PopStateEvent("popstate", { state: history.state }));
}"""


class Quiet:
    """Knows what a page still waits for, so that a test goes on as soon as nothing more comes."""

    def __init__(self, page: Page) -> None:
        self._page = page
        self._pending: set[Request] = set()
        page.on("request", lambda r: self._pending.add(r))
        page.on("requestfinished", lambda r: self._pending.discard(r))
        page.on("requestfailed", lambda r: self._pending.discard(r))

    def wait(self) -> None:
        """Until nothing is asked for and everything that came is drawn, twice in a row."""
        calm, until = 0, time.monotonic() + PATIENCE_MS / 1000
        while calm < 2:
            self._page.evaluate(CALM)
            calm = 0 if self._pending else calm + 1
            assert time.monotonic() < until, f"still waits for {[r.url for r in self._pending]}"

    def go(self, path: str) -> None:
        """To another view as a link leads there, without loading the application anew; the first time it is loaded."""
        if self._page.url == "about:blank":
            self._page.goto(path)
        else:
            self._page.evaluate(GO, path)
        self.wait()


if __name__ == "__main__":  # a server of its own, for a test that needs another process: says its address, and ends with its input
    with served(sys.argv[1]) as address:
        print(address, flush=True)
        sys.stdin.read()
