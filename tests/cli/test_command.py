"""The one command, run as a person runs it: start, answer, a killed database, stop, a taken port, two at once."""

from __future__ import annotations

import json
import os
import re
import signal
import socket
import subprocess
import threading
import time
import urllib.error
import urllib.request
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest

ROOT = Path(__file__).parents[2]
PATIENCE_S = 120


def free_port() -> int:
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        return int(s.getsockname()[1])


class Command:
    """``./bothy WORD`` with a state directory of its own; the installed packages are shared, so that it starts quickly."""

    def __init__(self, state: Path, port: int, word: str) -> None:
        env = {**os.environ, "BOTHY_STATE": str(state), "BOTHY_PORT": str(port)}
        env.pop("BOTHY_DATABASE_URL", None)
        self.port = port
        self.process = subprocess.Popen(
            ["./bothy", word], cwd=ROOT, env=env, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True, start_new_session=True
        )
        self.lines: list[str] = []
        self.spoke = threading.Condition()
        threading.Thread(target=self._listen, daemon=True).start()

    def _listen(self) -> None:
        assert self.process.stdout
        for line in self.process.stdout:
            with self.spoke:
                self.lines.append(line)
                self.spoke.notify_all()
        with self.spoke:
            self.spoke.notify_all()

    def says(self, words: str) -> str:
        """Wait until it says something; returns the line."""
        with self.spoke:
            ok = self.spoke.wait_for(lambda: any(re.search(words, x) for x in self.lines) or self.process.poll() is not None, PATIENCE_S)
            found = next((x for x in self.lines if re.search(words, x)), None)
            assert ok and found, f"it did not say “{words}” but {self.lines}"
            return found

    def get(self, path: str) -> Any:
        return json.load(urllib.request.urlopen(f"http://127.0.0.1:{self.port}{path}", timeout=20))

    def ends(self) -> int:
        return self.process.wait(PATIENCE_S)


@pytest.fixture
def state(tmp_path: Path) -> Path:
    """A fresh state directory that shares the Python and Node packages of the checkout."""
    shared = Path(os.environ.get("BOTHY_STATE", ROOT / ".state"))
    for name in ("venv", "node", "stamps"):
        if (shared / name).exists():
            (tmp_path / name).symlink_to(shared / name)
    return tmp_path


@pytest.fixture
def running(state: Path) -> Iterator[Command]:
    command = Command(state, free_port(), "demo")
    yield command
    if command.process.poll() is None:
        os.killpg(command.process.pid, signal.SIGTERM)
        command.ends()


def database_pid(state: Path) -> int:
    return int((state / "db" / "pid").read_text().strip())


def alive(pid: int) -> bool:
    try:
        return Path(f"/proc/{pid}/status").read_text().split("State:")[1].split()[0] != "Z"
    except (FileNotFoundError, ProcessLookupError):
        return False


def test_demo_answers_survives_a_killed_database_and_stops_what_it_started(running: Command, state: Path) -> None:
    assert f"http://127.0.0.1:{running.port}" in running.says("Bothy is at")
    assert running.get("/api/health")["status"] == "ok"
    listed = running.get("/api/projects")
    assert [p["name"] for p in listed] == ["Curlew", "Fiddlehead", "Saltbush"]
    page = urllib.request.urlopen(f"http://127.0.0.1:{running.port}/", timeout=20).read().decode()
    assert "<title>Bothy</title>" in page

    pid = database_pid(state)
    os.kill(pid, signal.SIGKILL)
    running.says("the database ended; starting it again")
    deadline = time.monotonic() + PATIENCE_S
    while True:
        try:
            assert running.get("/api/projects") == listed, "nothing is lost"
            break
        except urllib.error.HTTPError as exc:
            assert exc.code == 503
            assert time.monotonic() < deadline
    second = database_pid(state)
    assert second != pid

    os.kill(running.process.pid, signal.SIGINT)
    running.ends()
    assert not alive(second)
    with socket.socket() as s:
        assert s.connect_ex(("127.0.0.1", running.port)) != 0
    log = (state / "requests.log").read_text().splitlines()
    assert all({"method", "path", "status", "ms"} <= set(json.loads(x)) for x in log if '"event": "request"' in x)
    assert any("/api/projects" in x for x in log)


def test_a_taken_port_and_a_second_start_are_said_and_stop_stops(state: Path) -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        blocked = Command(state, int(taken.getsockname()[1]), "start")
        blocked.says("is taken; choose another")
        assert blocked.ends() == 1

    first = Command(state, free_port(), "start")
    first.says("Bothy is at")
    assert first.get("/api/projects") == [], "start loads no demo"
    second = Command(state, free_port(), "start")
    second.says("another ./bothy uses")
    assert second.ends() == 1
    assert first.get("/api/health")["status"] == "ok", "the first is left alone"

    stop = Command(state, first.port, "stop")
    stop.says("stopped")
    assert stop.ends() == 0
    first.ends()
    again = Command(state, first.port, "stop")
    again.says("is not running here")
    assert again.ends() == 0


def test_the_words_it_knows(state: Path) -> None:
    usage = Command(state, free_port(), "help")
    usage.says("usage: ./bothy demo")
    assert usage.ends() == 0
    sums = subprocess.run(
        ["./bothy", "calc", "voltage-drop"], cwd=ROOT, input='{"area_mm2": 2.5, "length_m": 5, "current_a": 6}', capture_output=True, text=True, check=True
    )
    assert json.loads(sums.stdout)["drop_v"] == pytest.approx(0.554, abs=0.002)
    bad = subprocess.run(["./bothy", "calc", "voltage-drop"], cwd=ROOT, input='{"area_mm2": -2.5}', capture_output=True, text=True, check=False)
    assert bad.returncode == 2
    assert json.loads(bad.stderr)["error"]["key"] == "area_mm2"
