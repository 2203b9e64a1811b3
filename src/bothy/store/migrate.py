"""Bring the database to the newest migration."""

from __future__ import annotations

from pathlib import Path

from alembic import command
from alembic.config import Config
from alembic.script import ScriptDirectory
from alembic.util.exc import CommandError

from bothy.core.words.says import store_says as says


class NewerDatabase(RuntimeError):
    """The database was made by a newer Bothy."""


def _config(url: str = "") -> Config:
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    config.attributes["url"] = url
    return config


def newest() -> str:
    """Name of the newest migration."""
    return ScriptDirectory.from_config(_config()).get_current_head() or ""


def is_known(name: str) -> bool:
    """Whether a migration is one of this version's."""
    try:
        return ScriptDirectory.from_config(_config()).get_revision(name) is not None
    except CommandError:
        return False


def migrate(url: str, to: str = "head") -> None:
    """Run all outstanding migrations on the database at ``url``, up to one of them. Raises :class:`NewerDatabase`."""
    try:
        command.upgrade(_config(url), to)
    except CommandError as exc:
        if "locate revision" not in str(exc):
            raise
        raise NewerDatabase(says("database-was-made-by")) from None
