"""Backups of everything, and back from one: into a database of its own beside the old one, which is put aside only when the new one is whole."""

from __future__ import annotations

import datetime as dt
import os
import shutil
import time
from pathlib import Path

from bothy.running.database import CantRun, Database
from bothy.running.exchange import INCOMING, WHOLE, finish
from bothy.running.serve import say
from bothy.store.backup import BadBackup, Saved, backup, looked_into, restore
from bothy.store.engine import make_engine
from bothy.store.migrate import newest

NOTE = "last-backup"


def write_backup(state: Path, file: Path) -> Saved:
    """Back everything up, whether Bothy runs or not. Raises :class:`CantRun`."""
    finish(state)
    database = Database(state, "db")
    if not (database.folder / "ready").exists():
        raise CantRun("there is nothing to back up yet")
    if file.is_dir():
        file = file / f"bothy-{time.strftime('%Y-%m-%d')}.zip"
    if not file.parent.is_dir():
        raise CantRun(f"{file.parent} isn’t a folder")
    ours = True
    try:
        database.take()
    except CantRun:
        ours = False  # it runs; we read beside it
    try:
        if ours:
            database.start()
        elif not database.socket.exists():
            raise CantRun("Bothy is starting or stopping; try again in a moment")
        engine = make_engine(database.url)
        try:
            saved = backup(engine, file.absolute(), dt.datetime.now(dt.UTC), lambda name: None)
        finally:
            engine.dispose()
    except OSError as exc:
        raise CantRun(f"{file} can’t be written: {exc.strerror or exc}") from None
    finally:
        if ours:
            database.stop()
    (state / NOTE).write_text(saved.made_at, encoding="ascii")
    say(f"{file}: {saved.projects} projects, {sum(saved.rows.values())} rows, {file.stat().st_size / 1e6:.1f} MB")
    return saved


def read_backup(state: Path, file: Path, replace: bool) -> Saved:
    """Put back what a backup holds. What was there is put aside whole, never overwritten. Raises :class:`CantRun`."""
    try:
        looked_into(file)
    except BadBackup as exc:
        raise CantRun(str(exc)) from None
    state.mkdir(parents=True, exist_ok=True)
    finish(state)
    old, new = Database(state, "db"), Database(state, INCOMING)
    try:
        old.take()
    except CantRun:
        raise CantRun("Bothy runs; stop it first:  ./bothy stop") from None
    try:
        if (old.folder / "ready").exists() and not replace:
            raise CantRun("there are projects here already; with --replace they are put aside in .state/backups, and those of the file take their place")
        shutil.rmtree(new.folder, ignore_errors=True)
        try:
            new.take()
            new.make()
            new.start()
            engine = make_engine(new.url)
            try:
                saved = restore(engine, new.url, file, say)
            finally:
                engine.dispose()
            new.migrated(newest())
        except BadBackup as exc:
            raise CantRun(f"{exc}. Nothing was changed") from None
        finally:
            new.stop()
        _mark(new.folder / WHOLE)
    finally:
        old.stop()
    aside = finish(state)
    say(f"{saved.projects} projects of {saved.made_at[:10]} are back" + (f"; what was here lies in {aside}" if aside else ""))
    return saved


def _mark(file: Path) -> None:
    """A mark that outlasts a power cut."""
    with file.open("w", encoding="ascii") as f:
        f.write("whole\n")
        f.flush()
        os.fsync(f.fileno())
    folder = os.open(file.parent, os.O_RDONLY)
    try:
        os.fsync(folder)
    finally:
        os.close(folder)
