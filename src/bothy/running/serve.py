"""The server beside its database: both are started again when they are killed, and end when we do."""

from __future__ import annotations

import os
import secrets
import subprocess
import sys
import time
import urllib.error
import urllib.request
from collections.abc import Callable
from pathlib import Path

from bothy.running.database import CantRun, Database, bindable
from bothy.running.ending import Ended, ends_on_signals
from bothy.running.exchange import finish
from bothy.running.processes import child, ended, stop

START_S, MOST_TRIES = 120.0, 5


def say(words: str) -> None:
    """A line for the person at the terminal."""
    print(f"\033[1m==>\033[0m {words}", file=sys.stderr, flush=True)


class Server:
    """The application's process."""

    def __init__(self, state: Path, root: Path, port: int, url: str, token: str | None) -> None:
        self._state, self._port = state, port
        self._env = {
            **os.environ,
            "BOTHY_DATABASE_URL": url,
            "BOTHY_FRONT_END": str(root / "web" / "dist"),
            "BOTHY_LOG_FILE": str(state / "requests.log"),
            "BOTHY_BACKUP_NOTE": str(state / "last-backup"),
            "MALLOC_ARENA_MAX": "2",
            "BOTHY_TOKEN": token or "",
        }
        self.process: subprocess.Popen[bytes] | None = None

    def start(self) -> None:
        """Start it and wait until it answers. Raises :class:`CantRun`."""
        self.process = child(
            [
                sys.executable,
                "-m",
                "uvicorn",
                "bothy.api.main:app",
                "--host",
                "127.0.0.1",
                "--port",
                str(self._port),
                "--log-level",
                "warning",
                "--no-access-log",
                "--timeout-graceful-shutdown",
                "5",
            ],
            env=self._env,
        )
        until = time.monotonic() + START_S
        while not self._answers():
            if self.ended:
                raise CantRun(f"the server ended while starting; see {self._state / 'requests.log'}")
            if time.monotonic() > until:
                raise CantRun(f"the server does not answer after {START_S:g} s; see {self._state / 'requests.log'}")
            time.sleep(0.05)

    def _answers(self) -> bool:
        try:
            with urllib.request.urlopen(f"http://127.0.0.1:{self._port}/api/health", timeout=2):
                return True
        except urllib.error.HTTPError as exc:
            return exc.code in (401, 503)  # it runs; a database that was killed meanwhile is started again below
        except OSError:
            return False

    @property
    def ended(self) -> bool:
        return ended(self.process)

    def stop(self) -> None:
        stop(self.process, 10)


def serve(
    state: Path, root: Path, port: int, word: str, *, demo: bool, with_token: bool, given_url: str | None, prepare: Callable[[str, bool], None], newest: str
) -> int:
    """Run until somebody ends us; returns the exit code. Raises :class:`CantRun`."""
    began = time.monotonic()
    database = Database(state, "db", 33306) if not given_url else None
    server: Server | None = None
    devices: subprocess.Popen[bytes] | None = None
    ends_on_signals()
    try:
        if bindable(port) is None:
            raise CantRun(f"port {port} is taken; choose another:  BOTHY_PORT=8090 ./bothy {word}")
        if database is not None:
            finish(state)
            database.take()
            database.make()
            if (kept := database.copy_before(newest)) is not None:
                say(f"a copy of the data before the migration: {kept}")
            database.start()
        url = given_url or (database.url if database is not None else "")
        prepare(url, demo)
        if database is not None:
            database.migrated(newest)
        token = secrets.token_urlsafe(18) if with_token else None
        (state / "serving").write_text(str(os.getpid()), encoding="ascii")
        server = Server(state, root, port, url, token)
        server.start()
        address = f"http://127.0.0.1:{port}" + (f"/?token={token}" if token else "")
        say(f"Bothy is at {address}  (Ctrl-C stops it; started in {time.monotonic() - began:.0f} s; the data lie in {state}, see ./bothy where)")
        if demo and token is None and os.environ.get("BOTHY_DEVICES", "on") != "off":
            devices = _stand_ins(state, address)
        _watch(database, server)
    except Ended as exc:
        return exc.code
    finally:
        stop(devices, 5)
        if server is not None:
            server.stop()
        if database is not None:
            database.stop()
    return 0


def _stand_ins(state: Path, address: str) -> subprocess.Popen[bytes]:
    """Stand-ins for the devices of the first demo, for the live view; where their port is taken, those that are there stay."""
    port = os.environ.get("BOTHY_DEVICES_PORT", "47600")
    with (state / "devices.log").open("wb") as log:
        return child([sys.executable, "-m", "bothy.devices", "Curlew", "--url", address, "--port", port], stdout=log, stderr=log)


def _watch(database: Database | None, server: Server) -> None:
    """Start again what was killed, however often. Raises :class:`CantRun` when it can't be started any more."""

    def again(what: str, start: Callable[[], None]) -> None:
        for n in range(1, MOST_TRIES + 1):
            say(f"the {what} ended; starting it again")
            try:
                start()
                return
            except CantRun as exc:
                if n == MOST_TRIES:
                    raise
                say(f"that failed ({str(exc).splitlines()[-1]}); trying once more")
                time.sleep(n)

    while True:
        if database is not None and database.ended:
            again("database", database.start)
        if server.ended:
            again("server", server.start)
        time.sleep(0.1)
