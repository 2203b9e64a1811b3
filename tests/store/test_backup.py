"""Backup and restore against the real MariaDB: everything comes back as it was, and what is damaged, newer or not empty is refused whole."""

from __future__ import annotations

import datetime as dt
import json
import zipfile
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from sqlalchemy import Engine, create_engine, text

from bothy.core.facts.evidence import facts_of
from bothy.demo.load import load_demos
from bothy.store.backup import MANIFEST, TABLES, BadBackup, backup, looked_into, restore
from bothy.store.engine import make_engine
from bothy.store.migrate import newest
from bothy.store.photos import Photos
from bothy.store.projects import Projects

NOW = dt.datetime(2026, 11, 30, 12, tzinfo=dt.UTC)


@pytest.fixture
def full(engine: Engine) -> Engine:
    """A database with the demos, an undone edit and a project that was put away."""
    projects = Projects(engine)
    load_demos(projects)
    projects.delete(next(p.id for p in projects.all() if p.name == "Saltbush"))
    return engine


@pytest.fixture
def empty(database_url: str, worker_id: str) -> Iterator[tuple[Engine, str]]:
    name = f"bothy_back_{worker_id}"
    admin = create_engine(database_url)
    with admin.begin() as c:
        c.execute(text(f"drop database if exists {name}"))
        c.execute(text(f"create database {name}"))
    url = database_url.replace(f"bothy_{worker_id}", name)
    engine = make_engine(url)
    yield engine, url
    engine.dispose()
    with admin.begin() as c:
        c.execute(text(f"drop database {name}"))
    admin.dispose()


def rows(engine: Engine) -> dict[str, list[Any]]:
    with engine.connect() as c:
        return {t: sorted(map(str, c.execute(text(f"select * from `{t}`")).all())) for t in TABLES}


def test_everything_comes_back_as_it_was(full: Engine, empty: tuple[Engine, str], tmp_path: Path) -> None:
    file = tmp_path / "all.zip"
    saved = backup(full, file, NOW)
    assert (saved.projects, saved.schema) == (3, newest()), "put-away ones too"
    assert [p.name for p in tmp_path.iterdir()] == ["all.zip"], "no part of it is left"
    assert looked_into(file).rows == saved.rows
    engine, url = empty
    assert restore(engine, url, file).rows == saved.rows
    assert rows(engine) == rows(full)
    theirs, mine = Projects(engine), Projects(full)
    assert [p.name for p in theirs.all()] == [p.name for p in mine.all()]
    for p in mine.all():
        for v in p.variants:
            a, b = theirs.head(v.id), mine.head(v.id)
            assert (a.design, facts_of(a.evidence)) == (b.design, facts_of(b.evidence))


def test_it_is_read_at_one_moment(full: Engine, tmp_path: Path) -> None:
    """A project that comes in while it is written is in none of its tables."""
    projects = Projects(full)

    def between(table: str) -> None:
        if table == "revisions":
            projects.create("Late", [("as planned", projects_design(projects))], "test")

    saved = backup(full, tmp_path / "all.zip", NOW, between)
    assert saved.projects == 3
    with zipfile.ZipFile(tmp_path / "all.zip") as z:
        variants = {json.loads(x)["id"] for x in z.read("tables/variants.jsonl").splitlines()}
        named = {json.loads(x)["variant_id"] for x in z.read("tables/revisions.jsonl").splitlines()}
    assert named <= variants


def projects_design(projects: Projects) -> Any:
    from bothy.core.design.document import Design
    from bothy.core.sound import sound

    return sound(Design())


def _rewrite(file: Path, **change: Any) -> None:
    """The backup with something in its manifest changed."""
    with zipfile.ZipFile(file) as z:
        held = {n: z.read(n) for n in z.namelist()}
    held[MANIFEST] = json.dumps({**json.loads(held[MANIFEST]), **change}).encode()
    with zipfile.ZipFile(file, "w") as z:
        for n, data in held.items():
            z.writestr(n, data)


@pytest.mark.parametrize("harm", ["cut", "flipped", "not a zip", "other zip", "newer data", "newer format", "unknown table", "a row less", "missing"])
def test_what_is_wrong_with_a_file_is_said_before_anything_is_changed(harm: str, full: Engine, empty: tuple[Engine, str], tmp_path: Path) -> None:
    file = tmp_path / "all.zip"
    saved = backup(full, file, NOW)
    data = file.read_bytes()
    words = {
        "newer data": "newer Bothy",
        "newer format": "newer Bothy",
        "other zip": "damaged|no backup",
        "missing": "isn’t there",
        "unknown table": "isn’t known",
    }.get(harm, "damaged")
    if harm == "cut":
        file.write_bytes(data[: len(data) // 2])
    elif harm == "flipped":
        middle = len(data) // 3
        file.write_bytes(data[:middle] + bytes([data[middle] ^ 255]) + data[middle + 1 :])
    elif harm == "not a zip":
        file.write_bytes(b"hello")
    elif harm == "other zip":
        with zipfile.ZipFile(file, "w") as z:
            z.writestr("a.txt", "hello")
    elif harm == "newer data":
        _rewrite(file, schema="9999")
    elif harm == "newer format":
        _rewrite(file, format=99)
    elif harm == "unknown table":
        _rewrite(file, rows={**saved.rows, "secrets": 1}, sha256={"secrets": ""})
    elif harm == "a row less":
        _rewrite(file, rows={**saved.rows, "projects": 2})
    else:
        file.unlink()
    engine, url = empty
    with pytest.raises(BadBackup, match=words):
        restore(engine, url, file)
    with engine.connect() as c:
        assert c.execute(text("show tables")).all() == []


def test_a_database_that_isnt_empty_is_left_alone(full: Engine, database_url: str, tmp_path: Path) -> None:
    file = tmp_path / "all.zip"
    backup(full, file, NOW)
    before = rows(full)
    with pytest.raises(BadBackup, match="isn’t empty"):
        restore(full, database_url, file)
    assert rows(full) == before


def test_a_disk_that_cant_be_written_leaves_nothing(full: Engine, tmp_path: Path) -> None:
    with pytest.raises(OSError):
        backup(full, tmp_path / "nowhere" / "all.zip", NOW)
    assert list(tmp_path.iterdir()) == []


def test_what_was_put_away_is_listed_comes_back_and_goes_for_good(full: Engine) -> None:
    projects, photos = Projects(full), Photos(full)
    (away,) = projects.put_away()
    assert (away.name, away.demo) == ("Saltbush", True)
    own = projects.create("Tern", [("as planned", projects_design(projects))], "test")
    projects.delete(own)
    assert [p.name for p in projects.put_away()] == ["Tern", "Saltbush"]
    long_ago, soon = dt.datetime(2020, 1, 1), dt.datetime(2100, 1, 1)
    assert projects.purge(long_ago) == 0
    projects.restore(own)
    assert "Tern" in [p.name for p in projects.all()]
    projects.delete(own)
    assert projects.purge(soon) == 1, "the demo stays put away: else it would come back"
    assert [p.name for p in projects.put_away()] == ["Saltbush"]
    with full.connect() as c:
        assert c.execute(text("select count(*) from variants where project_id = :id"), {"id": own.hex}).scalar_one() == 0
    photos.purge(soon)  # what others left that nothing names any more
    photos.put("a" * 64, b"x", b"y", 1, 1)
    assert photos.purge(long_ago) == 0
    assert photos.purge(soon) == 1, "nothing names it"


def test_a_photograph_that_is_taken_down_stays(full: Engine) -> None:
    projects, photos = Projects(full), Photos(full)
    head = projects.head(projects.all()[0].variants[0].id)
    photos.put("b" * 64, b"x", b"y", 1, 1)
    value = {"id": "p", "sha256": "b" * 64, "subject": "ff-data", "width": 1, "height": 1}
    with full.begin() as c:
        row = {"p": head.project_id.hex, "d": json.dumps(value), "n": 9999}
        keys = "project_id, number, kind, subject, payload, expected, author, created_at"
        c.execute(text(f"insert into evidence ({keys}) values (:p, :n, 'photo', 'p', :d, '{{}}', 'a', now())"), row)
    assert photos.purge(dt.datetime(2100, 1, 1)) == 0
    assert photos.get("b" * 64) == b"x"
