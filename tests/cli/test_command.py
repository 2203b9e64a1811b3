"""The one command, run as a person runs it: start, answer, a killed database, stop, a taken port, two at once."""

from __future__ import annotations

import contextlib
import http.client
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
from contextlib import suppress
from pathlib import Path
from typing import Any

import pytest
from sqlalchemy import create_engine, text

ROOT = Path(__file__).parents[2]
PATIENCE_S = 120


def free_port() -> int:
    with socket.socket() as s:
        s.bind(("127.0.0.1", 0))
        return int(s.getsockname()[1])


class Command:
    """``./bothy WORD`` with a state directory of its own; the installed packages are shared, so that it starts quickly."""

    def __init__(self, state: Path, port: int, *words: str) -> None:
        self.devices = free_port()
        env = {**os.environ, "BOTHY_STATE": str(state), "BOTHY_PORT": str(port), "BOTHY_DEVICES_PORT": str(self.devices)}
        env.pop("BOTHY_DATABASE_URL", None)
        self.port = port
        self.process = subprocess.Popen(
            ["./bothy", *words], cwd=ROOT, env=env, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True, start_new_session=True
        )
        self.lines: list[str] = []
        self.over = False
        self.spoke = threading.Condition()
        threading.Thread(target=self._listen, daemon=True).start()

    def _listen(self) -> None:
        assert self.process.stdout
        for line in self.process.stdout:
            with self.spoke:
                self.lines.append(line)
                self.spoke.notify_all()
        with self.spoke:
            self.over = True
            self.spoke.notify_all()

    def says(self, words: str) -> str:
        """Wait until it says something; returns the line."""
        with self.spoke:
            ok = self.spoke.wait_for(lambda: any(re.search(words, x) for x in self.lines) or self.over, PATIENCE_S)
            found = next((x for x in self.lines if re.search(words, x)), None)
            assert ok and found, f"it did not say “{words}” but {self.lines}"
            return found

    def get(self, path: str, patience_s: float = 20) -> Any:
        return json.load(urllib.request.urlopen(f"http://127.0.0.1:{self.port}{path}", timeout=patience_s))

    def ends(self) -> int:
        return self.process.wait(PATIENCE_S)


def shares(folder: Path) -> Path:
    """A fresh state directory that shares the Python and Node packages of the checkout."""
    shared = Path(os.environ.get("BOTHY_STATE", ROOT / ".state"))
    (shared / "numba").mkdir(exist_ok=True)  # what is compiled for trips
    for name in ("venv", "node", "stamps", "numba"):
        if (shared / name).exists():
            (folder / name).symlink_to(shared / name)
    return folder


def ended(command: Command) -> None:
    if command.process.poll() is None:
        os.killpg(command.process.pid, signal.SIGTERM)
        command.ends()


@pytest.fixture
def state(tmp_path: Path) -> Path:
    return shares(tmp_path)


@pytest.fixture(scope="module")
def demo_state(tmp_path_factory: pytest.TempPathFactory) -> Path:
    return shares(tmp_path_factory.mktemp("demo"))


@pytest.fixture(scope="module")
def demo(demo_state: Path) -> Iterator[Command]:
    """A demo that runs for all tests that leave it running: a start takes seconds."""
    command = Command(demo_state, free_port(), "demo")
    command.says("Bothy is at")
    yield command
    ended(command)


def database_pid(state: Path) -> int:
    return int((state / "db" / "pid").read_text().strip())


def alive(pid: int) -> bool:
    try:
        return Path(f"/proc/{pid}/status").read_text().split("State:")[1].split()[0] != "Z"
    except (FileNotFoundError, ProcessLookupError):
        return False


def child(parent: int, name: str) -> int:
    """The process of that name which ``parent`` started."""
    return next(
        int(p.name)
        for p in Path("/proc").iterdir()
        if p.name.isdigit() and name.encode() in _cmdline(p) and int((p / "stat").read_text().rsplit(")", 1)[1].split()[1]) == parent
    )


def test_demo_answers_and_writes_down_what_was_asked(demo: Command, demo_state: Path) -> None:
    assert f"http://127.0.0.1:{demo.port}" in demo.says("Bothy is at")
    assert demo.get("/api/health")["status"] == "ok"
    assert [p["name"] for p in demo.get("/api/projects")] == ["Curlew", "Fiddlehead", "Saltbush"]
    page = urllib.request.urlopen(f"http://127.0.0.1:{demo.port}/", timeout=20).read().decode()
    assert "<title>Bothy</title>" in page
    log = (demo_state / "requests.log").read_text().splitlines()
    assert all({"method", "path", "status", "ms"} <= set(json.loads(x)) for x in log if '"event": "request"' in x)
    assert any("/api/projects" in x for x in log)


def test_demo_has_stand_ins(demo: Command, demo_state: Path) -> None:
    curlew = next(p for p in demo.get("/api/projects") if p["name"] == "Curlew")["variants"][0]["id"]
    deadline = time.monotonic() + PATIENCE_S
    part: Any = None
    while not (part and part["connected"]):
        assert time.monotonic() < deadline, (demo_state / "devices.log").read_text()
        with suppress(OSError):  # the first sum of all may take longer than an answer is waited for
            part = demo.get(f"/api/variants/{curlew}/live", PATIENCE_S)
    assert part["port"] == demo.devices
    assert "stand-in devices of Curlew" in (demo_state / "devices.log").read_text()


def test_a_taken_port_and_a_second_start_are_said(demo: Command, demo_state: Path, state: Path) -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        blocked = Command(state, int(taken.getsockname()[1]), "start")
        blocked.says("is taken; choose another")
        assert blocked.ends() == 1
    second = Command(demo_state, free_port(), "start")
    second.says("another ./bothy uses")
    assert second.ends() == 1
    assert demo.get("/api/health")["status"] == "ok", "the first is left alone"


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


def test_a_first_start_that_was_killed_half_way_needs_one_more_and_no_third(state: Path) -> None:
    """Killed while the database directory is made, with all that belongs to it still running; the next start ends that and begins anew."""
    first = Command(state, free_port(), "start")
    deadline = time.monotonic() + PATIENCE_S
    while not (state / "db" / "data.new").exists() and time.monotonic() < deadline:
        time.sleep(0.01)
    os.kill(first.process.pid, signal.SIGKILL)
    first.process.wait()
    second = Command(state, free_port(), "start")
    second.says("Bothy is at")
    assert second.get("/api/projects") == [], "start loads no demo"
    stop = Command(state, second.port, "stop")
    stop.says("stopped")
    assert stop.ends() == 0
    second.ends()
    again = Command(state, second.port, "stop")
    again.says("is not running here")
    assert again.ends() == 0


def test_the_server_and_the_port_of_the_database_may_go(demo: Command, demo_state: Path) -> None:
    """The server is killed; the database too, and somebody else takes its port meanwhile: both come back by themselves."""
    listed = demo.get("/api/projects")
    taken: list[socket.socket] = []
    for victim, word in (("uvicorn", "server"), ("mariadbd", "database")):
        pid = child(demo.process.pid, victim)
        port = next(int(x.split("=")[1]) for x in (demo_state / "db" / "my.cnf").read_text().splitlines() if x.startswith("port="))
        os.kill(pid, signal.SIGKILL)
        if victim == "mariadbd":
            with contextlib.suppress(OSError):
                other = socket.socket()
                other.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
                other.bind(("127.0.0.1", port))
                other.listen()
                taken.append(other)
        demo.says(f"the {word} ended; starting it again")
        deadline = time.monotonic() + PATIENCE_S
        while time.monotonic() < deadline:
            with contextlib.suppress(OSError, http.client.HTTPException):
                assert demo.get("/api/projects") == listed, "nothing is lost"
                break
        assert child(demo.process.pid, victim) != pid
    assert demo.get("/api/projects") == listed
    for one in taken:
        one.close()


def _cmdline(process: Path) -> bytes:
    try:
        return (process / "cmdline").read_bytes()
    except OSError:
        return b""


def test_a_newer_database_is_refused_and_a_copy_is_kept_before_a_migration(state: Path) -> None:
    first = Command(state, free_port(), "start")
    first.says("Bothy is at")
    made = json.load(urllib.request.urlopen(_post(f"http://127.0.0.1:{first.port}/api/projects", {"name": "Kept"}), timeout=20))
    assert made["variant_id"]
    first.process.terminate()
    first.ends()
    newest = (state / "db" / "migrated").read_text()
    (state / "db" / "migrated").write_text("0001")
    second = Command(state, free_port(), "start")
    second.says("a copy of the data before the migration")
    second.says("Bothy is at")
    copies = list((state / "backups").iterdir())
    assert [c.name.endswith("-at-0001") for c in copies] == [True]
    assert (copies[0] / "ibdata1").exists()
    assert (state / "db" / "migrated").read_text() == newest
    url = next(x for x in (f"mariadb+pymysql://bothy:{(state / 'db' / 'password').read_text().strip()}@localhost/bothy?unix_socket={_socket(state)}",))
    engine = create_engine(url)
    with engine.begin() as c:
        c.execute(text("update alembic_version set version_num = '9999'"))
    engine.dispose()
    second.process.terminate()
    second.ends()
    third = Command(state, free_port(), "start")
    third.says("made by a newer Bothy")
    assert third.ends() == 1
    where = Command(state, free_port(), "where")
    assert str(state / "db") in where.says("your projects")
    assert where.ends() == 0


def _post(url: str, body: dict[str, Any]) -> urllib.request.Request:
    return urllib.request.Request(url, json.dumps(body).encode(), {"content-type": "application/json"}, method="POST")


def _socket(state: Path) -> str:
    return next(x.split("=", 1)[1] for x in (state / "db" / "my.cnf").read_text().splitlines() if x.startswith("socket="))


def test_no_password_stands_on_a_command_line(demo: Command, demo_state: Path) -> None:
    demo.get("/api/projects")
    password = (demo_state / "db" / "password").read_bytes().strip()
    assert password
    assert not [p for p in Path("/proc").iterdir() if p.name.isdigit() and password in _cmdline(p)]
    assert oct((demo_state / "db" / "password").stat().st_mode & 0o777) == "0o600"


def test_a_backup_comes_back_and_a_restore_that_is_killed_changes_nothing(state: Path, tmp_path_factory: pytest.TempPathFactory) -> None:
    running = Command(state, free_port(), "demo")
    running.says("Bothy is at")
    file = tmp_path_factory.mktemp("kept") / "all.zip"

    def command(*words: str) -> Command:
        return Command(state, running.port, *words)

    saved = command("backup", str(file))
    saved.says("3 projects")
    assert saved.ends() == 0, "while it runs"
    assert running.get("/api/backup")["last"]
    busy = command("restore", str(file), "--replace")
    busy.says("stop it first")
    assert busy.ends() == 1
    urllib.request.urlopen(
        urllib.request.Request(
            f"http://127.0.0.1:{running.port}/api/projects/{running.get('/api/projects')[0]['id']}",
            data=b'{"name": "Renamed since"}',
            method="PATCH",
            headers={"content-type": "application/json"},
        ),
        timeout=20,
    )
    database = database_pid(state)
    os.kill(running.process.pid, signal.SIGINT)
    running.ends()
    assert not alive(database)
    for port in (running.port, running.devices):
        with socket.socket() as s:
            assert s.connect_ex(("127.0.0.1", port)) != 0, "what it started ends with it"

    asked = command("restore", str(file))
    asked.says("--replace")
    assert asked.ends() == 1
    broken = file.with_name("broken.zip")
    broken.write_bytes(file.read_bytes()[:2000])
    refused = command("restore", str(broken), "--replace")
    refused.says("damaged")
    assert refused.ends() == 1

    killed = command("restore", str(file), "--replace")
    killed.says("revisions")
    os.killpg(killed.process.pid, signal.SIGKILL)
    killed.ends()
    again = command("start")
    again.says("Bothy is at")
    assert "Renamed since" in [p["name"] for p in again.get("/api/projects")], "as it was before the restore"
    os.kill(again.process.pid, signal.SIGINT)
    again.ends()

    back = command("restore", str(file), "--replace")
    back.says("3 projects of .* are back; what was here lies in")
    assert back.ends() == 0
    assert next((state / "backups").iterdir()).name.endswith("before-restore")
    last = command("start")
    last.says("Bothy is at")
    assert [p["name"] for p in last.get("/api/projects")] == ["Curlew", "Fiddlehead", "Saltbush"]
    os.kill(last.process.pid, signal.SIGINT)
    last.ends()
