"""Bring the database to the newest migration.

What knows of databases is loaded only where there is something to do: each start asks, and waits for what is loaded.
"""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from alembic.config import Config

VERSIONS = Path(__file__).parent / "migrations" / "versions"


class NewerDatabase(RuntimeError):
    """The database was made by a newer Bothy."""


def _config(url: str = "") -> Config:
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    config.attributes["url"] = url
    return config


def _known() -> set[str]:
    """Names of all migrations: the numbers that their files begin with."""
    return {f.name[:4] for f in VERSIONS.glob("[0-9]*.py")}


def newest() -> str:
    """Name of the newest migration."""
    return max(_known())


def _stands_at(url: str) -> str | None:
    """The migration that a database stands at; None for an empty one."""
    from sqlalchemy import inspect, text

    from bothy.store.engine import make_engine

    engine = make_engine(url)
    try:
        with engine.connect() as c:
            return str(c.scalar(text("select version_num from alembic_version"))) if inspect(c).has_table("alembic_version") else None
    finally:
        engine.dispose()


def is_known(name: str) -> bool:
    """Whether a migration is one of this version's."""
    return name in _known()


def migrate(url: str, to: str = "head") -> None:
    """Run all outstanding migrations on the database at ``url``, up to one of them. Raises :class:`NewerDatabase`."""
    if to == "head" and _stands_at(url) == newest():
        return
    from alembic import command
    from alembic.util.exc import CommandError

    from bothy.core.words.says import store_says as says

    try:
        command.upgrade(_config(url), to)
    except CommandError as exc:
        if "locate revision" not in str(exc):
            raise
        raise NewerDatabase(says("database-was-made-by")) from None
