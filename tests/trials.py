"""Trials that take minutes and are no part of the tests.

``./bothy trial kill [ROUNDS]``: Bothy is killed again and again while edits come in; none that was acknowledged may be lost, none made twice.
``./bothy trial clients [CLIENTS] [SECONDS]``: so many people edit copies of a demo at once, each as fast as Bothy answers; how long an edit takes.
"""

from __future__ import annotations

import contextlib
import http.client
import json
import os
import random
import shutil
import signal
import subprocess
import sys
import tempfile
import threading
import time
import urllib.error
import urllib.request
import uuid
from collections.abc import Callable
from pathlib import Path
from typing import Any

from tests.cli.test_command import ROOT, Command, free_port

VICTIMS = ("server", "database", "both", "all")


class Client:
    """Sends one edit after the other, each with its id until it is acknowledged."""

    def __init__(self, port: int) -> None:
        self.port = port
        self.variant = ""
        self.revision = 1
        self.acknowledged: list[int] = []
        self.resent = 0
        self.problems: list[str] = []
        self.stop = threading.Event()

    def call(self, method: str, path: str, body: Any = None, **headers: str) -> Any:
        data = None if body is None else json.dumps(body).encode()
        request = urllib.request.Request(f"http://127.0.0.1:{self.port}{path}", data, {"content-type": "application/json", **headers}, method=method)
        with urllib.request.urlopen(request, timeout=30) as answer:
            return json.load(answer)

    def edit(self, op: dict[str, Any]) -> float:
        """One edit on what stands; how long it took, s."""
        began = time.perf_counter()
        done = self.call("PATCH", f"/api/variants/{self.variant}", {"ops": [op]}, **{"If-Match": str(self.revision), "Edit-Id": str(uuid.uuid4())})
        self.revision = done["revision"]
        return time.perf_counter() - began

    def begin(self) -> None:
        self.variant = self.call("POST", "/api/projects", {"name": "Killed"})["variant_id"]

    def run(self) -> None:
        n = 0
        while not self.stop.is_set():
            n += 1
            edit = str(uuid.uuid4())
            body = {"ops": [{"op": "replace", "path": "/vehicle/description", "value": f"edit {n}"}], "message": f"edit {n}"}
            while True:
                try:
                    done = self.call("PATCH", f"/api/variants/{self.variant}", body, **{"If-Match": str(self.revision), "Edit-Id": edit})
                except urllib.error.HTTPError as exc:
                    if exc.code not in (502, 503, 504, 507):
                        self.problems.append(f"edit {n} on {self.revision}: {exc.code} {exc.read()[:300]!r}")
                        self.stop.set()
                        return
                except (OSError, ValueError, http.client.HTTPException):
                    pass
                else:
                    self.revision = done["revision"]
                    self.acknowledged.append(n)
                    break
                if self.stop.is_set():
                    return
                self.resent += 1
                time.sleep(0.1)

    def counted(self) -> tuple[list[int], list[int]]:
        """Edits that are missing, and that stand twice, of the newest 200 revisions."""
        known = list(self.acknowledged)  # before it is asked: more come in meanwhile
        rows = self.call("GET", f"/api/variants/{self.variant}/history")
        numbers = [int(r["message"].removeprefix("edit ")) for r in rows if r["message"].startswith("edit ")]
        least = min(numbers, default=0)
        return [n for n in known if n >= least and n not in numbers], [n for n in set(numbers) if numbers.count(n) > 1]


def fresh_state() -> Path:
    """A state folder of its own with what is installed here; whoever asks removes it."""
    state = Path(tempfile.mkdtemp(prefix="bothy-trial-"))
    for name in ("venv", "node", "stamps"):
        if (ROOT / ".state" / name).exists():
            (state / name).symlink_to(ROOT / ".state" / name)
    return state


def ended(command: Command, state: Path) -> None:
    """Stop it and remove its state."""
    command.process.terminate()
    with contextlib.suppress(subprocess.TimeoutExpired):
        command.process.wait(60)
    shutil.rmtree(state, ignore_errors=True)


def children(pid: int) -> dict[str, int]:
    """The server's and the database's process of a supervisor."""
    out = {}
    for entry in Path("/proc").iterdir():
        with contextlib.suppress(OSError, ValueError, IndexError):
            if entry.name.isdigit() and int((entry / "stat").read_text().rsplit(")", 1)[1].split()[1]) == pid:
                words = (entry / "cmdline").read_bytes()
                out["database" if b"mariadbd" in words else "server" if b"bothy.api.main" in words else "devices"] = int(entry.name)
    return out


def kill(rounds: int) -> int:
    """The trial; returns 1 when an edit was lost or made twice."""
    chance = random.Random(rounds)
    state = fresh_state()
    command = Command(state, free_port(), "start")
    command.says("Bothy is at")
    client = Client(command.port)
    client.begin()
    worker = threading.Thread(target=client.run)
    worker.start()
    slowest, killed = 0.0, dict.fromkeys(VICTIMS, 0)
    try:
        for n in range(rounds):
            time.sleep(chance.uniform(0.05, 1.2))
            victim = chance.choice(VICTIMS)
            killed[victim] += 1
            there, before, began = children(command.process.pid), len(client.acknowledged), time.monotonic()
            for name, pid in there.items():
                if victim in (name, "both", "all"):
                    with contextlib.suppress(ProcessLookupError):
                        os.kill(pid, signal.SIGKILL)
            if victim == "all":
                os.killpg(command.process.pid, signal.SIGKILL)
                command.process.wait()
                command = Command(state, command.port, "start")
                command.says("Bothy is at")
            while len(client.acknowledged) == before and not client.stop.is_set():
                if time.monotonic() - began > 120:
                    client.problems.append(f"round {n}: nothing was acknowledged for two minutes after {victim} was killed; {command.lines[-3:]}")
                    client.stop.set()
                time.sleep(0.02)
            slowest = max(slowest, time.monotonic() - began)
            if client.stop.is_set():
                break
            missing, twice = client.counted() if len(client.acknowledged) and not _away(client) else ([], [])
            if missing or twice:
                client.problems.append(f"round {n}: missing {missing}, twice {twice}")
                break
    finally:
        client.stop.set()
        worker.join(60)
        with contextlib.suppress(OSError, urllib.error.URLError):
            missing, twice = client.counted()
            if missing or twice:
                client.problems.append(f"at the end: missing {missing}, twice {twice}")
        ended(command, state)
    report = {
        "killed": killed,
        "acknowledged": len(client.acknowledged),
        "sent_again": client.resent,
        "slowest_return_s": round(slowest, 1),
        "problems": client.problems,
    }
    print(json.dumps(report, indent=1))
    return 1 if client.problems else 0


def _away(client: Client) -> bool:
    try:
        client.call("GET", "/api/health")
    except (OSError, urllib.error.URLError):
        return True
    return False


EDITS: dict[str, Callable[[int], dict[str, Any]]] = {
    "words": lambda n: {"op": "replace", "path": "/vehicle/description", "value": f"edit {n}"},
    "length of a cable": lambda n: {"op": "replace", "path": f"/wiring/circuits/{n % 8}/length_m", "value": 3.0 + n % 50 / 10},
}


def resident_mb(pid: int) -> int:
    """Memory of a process, MB."""
    return int(Path(f"/proc/{pid}/status").read_text(encoding="ascii").split("VmRSS:")[1].split()[0]) // 1024


def clients(count: int, seconds: float) -> int:
    """People who edit at once, each a copy of Curlew; times of their edits by kind, and the server's memory after them."""
    state = fresh_state()
    command = Command(state, free_port(), "demo")
    report: dict[str, Any] = {"clients": count, "seconds": seconds}
    try:
        command.says("Bothy is at")
        source = next(p for p in Client(command.port).call("GET", "/api/projects") if p["name"] == "Curlew")["variants"][0]["id"]
        for kind, op in EDITS.items():
            people = [Client(command.port) for _ in range(count)]
            for n, c in enumerate(people):
                c.variant = c.call("POST", f"/api/variants/{source}/copy", {"name": f"{kind} {n}"})["id"]
            took: list[float] = []
            until = time.monotonic() + seconds

            def works(c: Client, op: Callable[[int], dict[str, Any]] = op, took: list[float] = took, until: float = until) -> None:
                n = 0
                while time.monotonic() < until:
                    n += 1
                    took.append(c.edit(op(n)))

            threads = [threading.Thread(target=works, args=(c,)) for c in people]
            for t in threads:
                t.start()
            for t in threads:
                t.join()
            took.sort()
            report[kind] = {"edits": len(took), **{f"p{p}_ms": round(1000 * took[min(len(took) - 1, len(took) * p // 100)]) for p in (50, 95, 99)}}
        report["server_mb"] = resident_mb(children(command.process.pid)["server"])
    finally:
        ended(command, state)
    print(json.dumps(report, indent=1))
    return 0


if __name__ == "__main__":
    given = [float(a) for a in sys.argv[2:4]]
    if sys.argv[1:2] == ["kill"]:
        sys.exit(kill(int(given[0]) if given else 50))
    if sys.argv[1:2] == ["clients"]:
        sys.exit(clients(int(given[0]) if given else 20, given[1] if len(given) > 1 else 60.0))
    sys.exit("usage: ./bothy trial kill [ROUNDS] | clients [CLIENTS] [SECONDS]")
