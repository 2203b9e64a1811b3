"""A backup: every table as lines of JSON in one zip, with its hashes, read at one moment; and back again into an empty database."""

from __future__ import annotations

import base64
import datetime as dt
import hashlib
import json
import os
import uuid
import zipfile
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import IO, Any, NamedTuple

from sqlalchemy import Engine, text
from sqlalchemy.exc import SQLAlchemyError

from bothy.core.words.says import store_says as says
from bothy.store.migrate import is_known, migrate
from bothy.store.tables import Base

FORMAT = 1
BATCH = 20
"""Rows that are in memory at once: photographs are among them."""
MANIFEST = "manifest.json"
TABLES = tuple(t.name for t in Base.metadata.sorted_tables)
"""In an order in which no row names one that isn't there yet."""


class BadBackup(ValueError):
    """The file can't be taken; the words say why, and that nothing was changed."""


class Saved(NamedTuple):
    """What a backup holds: rows of each table."""

    rows: dict[str, int]
    made_at: str
    schema: str

    @property
    def projects(self) -> int:
        """How many projects are in it."""
        return self.rows.get("projects", 0)


def _plain(value: Any) -> Any:
    if isinstance(value, (bytes, bytearray)):
        return {"b64": base64.b64encode(bytes(value)).decode("ascii")}
    if isinstance(value, dt.datetime):
        return value.isoformat(sep=" ", timespec="microseconds")
    return str(value) if isinstance(value, uuid.UUID) else value


def _back(value: Any) -> Any:
    return base64.b64decode(value["b64"]) if isinstance(value, dict) else value


def backup(engine: Engine, file: Path, now: dt.datetime, progress: Callable[[str], None] = lambda _: None) -> Saved:
    """Write everything to ``file``, as it stands at one moment; the file is there whole or not at all. Raises OSError where it can't be written."""
    part = file.with_name(file.name + ".part")
    counts: dict[str, int] = {}
    hashes: dict[str, str] = {}
    try:
        with (
            engine.connect().execution_options(isolation_level="REPEATABLE READ", stream_results=True) as c,
            zipfile.ZipFile(part, "w", zipfile.ZIP_DEFLATED, compresslevel=6) as z,
        ):
            c.execute(text("start transaction with consistent snapshot"))
            at = str(c.execute(text("select version_num from alembic_version")).scalar_one())
            for name in TABLES:
                progress(name)
                counts[name], hashes[name] = _write(c, z, name)
            manifest = {"bothy": "backup", "format": FORMAT, "made_at": now.isoformat(timespec="seconds"), "schema": at, "rows": counts, "sha256": hashes}
            z.writestr(MANIFEST, json.dumps(manifest, indent=1))
        with part.open("rb+") as f:
            os.fsync(f.fileno())
        part.replace(file)
    finally:
        part.unlink(missing_ok=True)
    return Saved(counts, now.isoformat(timespec="seconds"), at)


def _write(c: Any, z: zipfile.ZipFile, name: str) -> tuple[int, str]:
    """A table into the zip, a row at a time: no more of it is in memory than a batch."""
    sha, count = hashlib.sha256(), 0
    found = c.execute(text(f"select * from `{name}`").execution_options(yield_per=BATCH))
    keys = list(found.keys())
    with z.open(f"tables/{name}.jsonl", "w", force_zip64=True) as out:
        for row in found:
            line = json.dumps({k: _plain(v) for k, v in zip(keys, row, strict=True)}, ensure_ascii=False).encode() + b"\n"
            sha.update(line)
            out.write(line)
            count += 1
    return count, sha.hexdigest()


def looked_into(file: Path) -> Saved:
    """What a backup holds, once every byte of it was checked. Raises :class:`BadBackup`."""
    try:
        with zipfile.ZipFile(file) as z:
            found = json.loads(z.read(MANIFEST))
            if not isinstance(found, dict) or found.get("bothy") != "backup":
                raise BadBackup(says("no-backup-bothy", file=file))
            if found.get("format") != FORMAT:
                raise BadBackup(says("was-written-by-newer", file=file, found=found.get("format")))
            schema, rows, hashes = str(found["schema"]), dict(found["rows"]), dict(found["sha256"])
            if not is_known(schema):
                raise BadBackup(says("was-written-by-newer-bothy", file=file, schema=schema))
            if unknown := [name for name in rows if name not in TABLES]:
                raise BadBackup(says("holds-table-that-isnt", file=file, unknown=unknown[0]))
            for name in rows:
                sha, count = hashlib.sha256(), 0
                with z.open(f"tables/{name}.jsonl") as f:
                    for line in f:
                        sha.update(line)
                        count += 1
                if sha.hexdigest() != hashes[name] or count != rows[name]:
                    raise BadBackup(says("damaged-in-nothing-was", file=file, name=name))
    except FileNotFoundError:
        raise BadBackup(says("isnt-there", file=file)) from None
    except (zipfile.BadZipFile, KeyError, TypeError, ValueError, EOFError, OSError) as exc:
        if isinstance(exc, BadBackup):
            raise
        raise BadBackup(says("damaged-or-cut-off", file=file, exc=str(exc)[:100])) from None
    return Saved({k: int(v) for k, v in rows.items()}, str(found.get("made_at", "")), schema)


def _lines(f: IO[bytes]) -> Iterator[dict[str, Any]]:
    for line in f:
        yield {k: _back(v) for k, v in json.loads(line).items()}


def restore(engine: Engine, url: str, file: Path, progress: Callable[[str], None] = lambda _: None) -> Saved:
    """Fill an empty database from a backup, and bring it to this version. Raises :class:`BadBackup`; the database is to be thrown away then."""
    saved = looked_into(file)
    migrate(url, saved.schema)
    with zipfile.ZipFile(file) as z, engine.begin() as c:
        for name in saved.rows:
            if c.execute(text(f"select 1 from `{name}` limit 1")).first() is not None:
                raise BadBackup(says("database-isnt-empty", name=name))
        for name in (t for t in TABLES if t in saved.rows):
            progress(name)
            with z.open(f"tables/{name}.jsonl") as f:
                batch: list[dict[str, Any]] = []
                for row in _lines(f):
                    batch.append(row)
                    if len(batch) == BATCH:
                        _insert(c, name, batch)
                        batch = []
                _insert(c, name, batch)
        for name, count in saved.rows.items():
            there = c.execute(text(f"select count(*) from `{name}`")).scalar_one()
            if there != count:
                raise BadBackup(says("has-rows-after-was", name=name, there=there, count=count))
    migrate(url)
    return saved


def _insert(c: Any, name: str, batch: list[dict[str, Any]]) -> None:
    if not batch:
        return
    keys = list(batch[0])
    try:
        c.execute(text(f"insert into `{name}` ({', '.join(f'`{k}`' for k in keys)}) values ({', '.join(f':{k}' for k in keys)})"), batch)
    except SQLAlchemyError as exc:
        raise BadBackup(says("cant-be-filled", name=name, cause=str(exc.__cause__ or exc)[:160])) from None
