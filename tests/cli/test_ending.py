"""Asked to end at the worst moment: while a child is being forked, or while the lock of its state is held."""

from __future__ import annotations

import os
import subprocess
import sys
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[2]
BEGIN = """
import os, signal, sys, time
from bothy.running.ending import Ended, ends_on_signals, undisturbed
from bothy.running.processes import child, ended
ends_on_signals()
"""


def run(what: str) -> subprocess.CompletedProcess[str]:
    env = {**os.environ, "PYTHONPATH": str(ROOT / "src")}
    return subprocess.run([sys.executable, "-c", BEGIN + what], env=env, capture_output=True, text=True, timeout=120, check=False)


@pytest.mark.parametrize("when", ["before", "after_in_parent"])
def test_asked_in_the_midst_of_a_fork(when: str) -> None:
    """What is raised in the hooks around a fork is dropped: without care we would run on, deaf to every further signal."""
    done = run(f"""
os.register_at_fork({when}=lambda: os.kill(os.getpid(), signal.SIGTERM))
try:
    child(["sleep", "600"])
except Ended as exc:
    print(exc.code)
    sys.exit()
print("deaf")
""")
    assert (done.stdout, done.stderr) == ("143\n", "")


def test_a_child_that_is_asked_before_it_is_a_program_never_becomes_one() -> None:
    """It must not take over that signals are ignored, or it would outlive us."""
    done = run("""
os.register_at_fork(after_in_child=lambda: os.kill(os.getpid(), signal.SIGTERM))
made = child([sys.executable, "-c", "print('deaf')"])
print(made.wait())
""")
    assert (done.stdout, done.stderr) == ("143\n", "")


def test_a_child_made_while_we_were_asked_is_stopped() -> None:
    done = run("""
read, write = os.pipe()
os.set_inheritable(write, True)
os.register_at_fork(after_in_parent=lambda: os.kill(os.getpid(), signal.SIGINT))
try:
    child(["sleep", "600"], pass_fds=[write])
except Ended as exc:
    os.close(write)
    print(exc.code, os.read(read, 1))
""")
    assert (done.stdout, done.stderr) == ("130 b''\n", "")


def test_what_was_lost_is_raised_the_next_time_we_look() -> None:
    done = run("""
class Careless:
    def __del__(self):
        os.kill(os.getpid(), signal.SIGTERM)
        signal.getsignal(signal.SIGTERM)
Careless()
try:
    while True:
        ended(None)
        time.sleep(0.01)
except Ended as exc:
    print(exc.code)
""")
    assert done.stdout == "143\n"
    assert "Exception ignored" in done.stderr


def test_undisturbed_holds_it_back_to_the_end_of_the_outermost() -> None:
    done = run("""
try:
    with undisturbed():
        with undisturbed():
            os.kill(os.getpid(), signal.SIGHUP)
        print("inner over")
    print("never")
except Ended as exc:
    print(exc.code)
""")
    assert done.stdout == "inner over\n129\n"
