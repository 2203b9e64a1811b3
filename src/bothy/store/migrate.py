"""Bring the database to the newest migration."""

from __future__ import annotations

from pathlib import Path

from alembic import command
from alembic.config import Config


def migrate(url: str) -> None:
    """Run all outstanding migrations on the database at ``url``."""
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    config.attributes["url"] = url
    command.upgrade(config, "head")
