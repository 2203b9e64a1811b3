"""Listens to devices on this machine: connects, connects again, takes what is a reading and tells what isn't."""

from __future__ import annotations

import contextlib
import json
import socket
import threading
import time
from collections.abc import Callable
from typing import Any

from bothy.core.live.kept import Kept
from bothy.core.words.says import devices_says as says
from bothy.devices.hub import Hub
from bothy.devices.protocol import MOST_BAD, MOST_BYTES, BadLine, hello, line, parsed, reading_of

RETRY_S = 2.0
QUIET_S = 60.0
"""A connection that says nothing for so long is given up."""
ASK_S = 3.0
KEEP_S = 20.0
"""How often whole minutes are given away."""


class Listener(threading.Thread):
    """The connection of a hub. Ends when nobody has asked for ``idle_s``, unless the hub listens always. Whole minutes are given to ``keep``, which may
    raise: they wait then."""

    def __init__(self, hub: Hub, port: int, idle_s: float = 120.0, keep: Callable[[list[Kept]], None] | None = None) -> None:
        super().__init__(name=says("devices-at", port=port), daemon=True)
        self.hub, self._port, self._idle, self._keep = hub, port, idle_s, keep
        self._kept = time.monotonic()
        self._ended = threading.Event()
        self._asked = time.monotonic()

    def asked(self) -> None:
        """Somebody looks."""
        self._asked = time.monotonic()

    def end(self) -> None:
        """Let go of the connection."""
        self._ended.set()

    @property
    def over(self) -> bool:
        """Whether it has ended, or is about to."""
        return self._ended.is_set() or (not self.hub.always and time.monotonic() - self._asked > self._idle)

    def keep(self) -> None:
        """Give the whole minutes away now."""
        self._kept = time.monotonic()
        if self._keep is None:
            return
        rows = self.hub.whole()
        if not rows:
            return
        try:
            self._keep(rows)
        except Exception as exc:
            self.hub.again(rows)
            self.hub.tell(says("what-was-said-could", name=type(exc).__name__))

    def run(self) -> None:
        """Connect and listen, over and over."""
        while not self.over:
            with contextlib.suppress(OSError):
                self._listen()
            self.hub.connected = False
            self.keep()
            self._ended.wait(RETRY_S)

    def _listen(self) -> None:
        with socket.create_connection(("127.0.0.1", self._port), timeout=ASK_S) as s:
            s.settimeout(QUIET_S)
            s.sendall(line(hello(time.time(), "client", "bothy")))
            bad = 0
            with s.makefile("rb") as f:
                while not self.over:
                    raw = f.readline(MOST_BYTES + 1)
                    if not raw:
                        return
                    if not raw.endswith(b"\n"):
                        self.hub.tell(says("line-has-more-than", most_bytes=MOST_BYTES))
                        return
                    if time.monotonic() - self._kept > KEEP_S:
                        self.keep()
                    try:
                        m = parsed(raw)
                        self.hub.connected = True
                        if m["type"] == "reading":
                            self.hub.take(reading_of(m))
                        bad = 0
                    except BadLine as exc:
                        bad += 1
                        self.hub.tell(says("line-that-no-message", exc=exc))
                        if bad >= MOST_BAD:
                            return


def ask(port: int, method: str, params: dict[str, Any]) -> dict[str, Any]:
    """Ask the devices for something over a connection of its own. Raises OSError where nobody answers, :class:`BadLine` where it is refused."""
    with socket.create_connection(("127.0.0.1", port), timeout=ASK_S) as s, s.makefile("rb") as f:
        s.sendall(line({"v": 1, "type": "request", "id": "1", "method": method, "params": params}))
        for _ in range(50):
            raw = f.readline(MOST_BYTES + 1)
            if not raw:
                break
            m = json.loads(raw)
            if m.get("type") == "error":
                raise BadLine(str(m.get("key")), str(m.get("message")))
            if m.get("type") == "response":
                found: dict[str, Any] = m.get("result", {})
                return found
    raise OSError("the devices gave no answer")
