"""The exchange of one database for another that was filled beside it: begun only when the new one is whole, and ended after a kill too."""

from __future__ import annotations

import time
from pathlib import Path

INCOMING = "db.incoming"
WHOLE = "whole"
"""A file in the new database's folder: it is whole, and takes the old one's place."""


def finish(state: Path) -> Path | None:
    """End the exchange of databases that a restore began; returns where the old one was put. Nothing to do where none was begun or its new one isn't whole."""
    new, old = state / INCOMING, state / "db"
    if not (new / WHOLE).exists():
        return None
    aside: Path | None = None
    if old.exists():
        aside = state / "backups" / f"db-{time.strftime('%Y-%m-%d-%H%M%S')}-before-restore"
        aside.parent.mkdir(parents=True, exist_ok=True)
        old.rename(aside)
    new.rename(old)
    (old / WHOLE).unlink()
    return aside
