"""``python -m bothy.running``: what ./bothy hands over to once everything is installed."""

from __future__ import annotations

import argparse
import os
import signal
import subprocess
import sys
from pathlib import Path

from bothy.piped import piped
from bothy.running.database import CantRun, Database
from bothy.running.ending import Ended, ends_on_signals
from bothy.running.serve import say, serve

ROOT = Path(__file__).resolve().parents[3]


def _state() -> Path:
    return Path(os.environ.get("BOTHY_STATE", ROOT / ".state")).absolute()


def _serve(args: argparse.Namespace) -> int:
    from bothy.store.migrate import newest

    def prepared(url: str, demo: bool) -> None:
        command = [sys.executable, "-m", "bothy.cli", "prepare", *(["--demo"] if demo else [])]
        code = subprocess.run(command, env={**os.environ, "BOTHY_DATABASE_URL": url}, check=False).returncode
        if code:
            raise CantRun("the database could not be brought to this version" if code != 3 else "nothing was changed")

    return serve(
        _state(),
        ROOT,
        int(os.environ.get("BOTHY_PORT", "8080")),
        args.word,
        demo=args.word == "demo",
        with_token=args.token,
        given_url=os.environ.get("BOTHY_DATABASE_URL"),
        prepare=prepared,
        newest=newest(),
    )


def _beside(args: argparse.Namespace) -> int:
    """Run a command with a database of its own, whose address it finds in BOTHY_DATABASE_URL."""
    database = Database(_state(), args.name, quick=args.quick)
    ends_on_signals()
    running: subprocess.Popen[bytes] | None = None
    try:
        database.take()
        database.make()
        database.start()
        os.umask(0o022)
        running = subprocess.Popen(args.command, env={**os.environ, "BOTHY_DATABASE_URL": database.url})
        return running.wait()
    except Ended as exc:
        return exc.code
    finally:
        if running is not None and running.poll() is None:
            running.terminate()
            running.wait()
        database.stop()


def _stop(_: argparse.Namespace) -> int:
    """Stop what runs from this state folder."""
    file = _state() / "serving"
    pid = int(file.read_text(encoding="ascii") or 0) if file.exists() else 0
    try:
        words = Path(f"/proc/{pid}/cmdline").read_bytes().split(b"\0")
    except OSError:
        words = []
    if b"bothy.running" not in words or b"serve" not in words:
        say("Bothy is not running here")
        return 0
    handle = os.pidfd_open(pid)
    signal.pidfd_send_signal(handle, signal.SIGTERM)
    import select

    if not select.select([handle], [], [], 60)[0]:
        signal.pidfd_send_signal(handle, signal.SIGKILL)
    say("stopped")
    return 0


def _size(folder: Path) -> float:
    return sum(f.stat().st_size for f in folder.rglob("*") if f.is_file() and not f.is_symlink()) / 1e6 if folder.exists() else 0.0


def _where(_: argparse.Namespace) -> int:
    """Print where the data lie and how large they are."""
    state = _state()
    print(f"{state / 'db'}  your projects, {_size(state / 'db'):.0f} MB")
    note = state / "last-backup"
    print(f"last backup: {note.read_text(encoding='ascii')[:10] if note.exists() else 'none yet'}")
    print(f"{state / 'backups'}  copies from before migrations, {_size(state / 'backups'):.0f} MB")
    print(f"{state / 'requests.log'}  what was asked; it starts anew at 5 MB, three older ones are kept")
    print("BOTHY_STATE=/another/folder moves all of it. A folder inside the checkout is emptied by “git clean -fdx”.")
    return 0


def _backup(args: argparse.Namespace) -> int:
    from bothy.running.keep import write_backup

    ends_on_signals()
    try:
        write_backup(_state(), Path(args.file))
    except Ended as exc:
        return exc.code
    return 0


def _restore(args: argparse.Namespace) -> int:
    from bothy.running.keep import read_backup

    ends_on_signals()
    try:
        read_backup(_state(), Path(args.file), args.replace)
    except Ended as exc:
        return exc.code
    return 0


def main() -> int:
    parser = argparse.ArgumentParser(prog="bothy")
    commands = parser.add_subparsers(required=True)
    s = commands.add_parser("serve")
    s.add_argument("word", choices=["demo", "start"])
    s.add_argument("--token", action="store_true", help="ask for a token that stands in the printed address")
    s.set_defaults(run=_serve)
    b = commands.add_parser("beside")
    b.add_argument("name")
    b.add_argument("--quick", action="store_true")
    b.add_argument("command", nargs=argparse.REMAINDER)
    b.set_defaults(run=_beside)
    k = commands.add_parser("backup")
    k.add_argument("file")
    k.set_defaults(run=_backup)
    r = commands.add_parser("restore")
    r.add_argument("file")
    r.add_argument("--replace", action="store_true", help="put aside what is here")
    r.set_defaults(run=_restore)
    commands.add_parser("stop").set_defaults(run=_stop)
    commands.add_parser("where").set_defaults(run=lambda args: piped(lambda: _where(args)))
    args = parser.parse_args()
    try:
        return int(args.run(args))
    except CantRun as exc:
        print(f"bothy: {exc}", file=sys.stderr)
        return 1


if __name__ == "__main__":
    sys.exit(main())
