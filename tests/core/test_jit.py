"""What is compiled is compiled anew when any piece of it changes."""

from __future__ import annotations

import re
from pathlib import Path

from numba import config

from bothy.core import jit


def test_every_file_that_is_compiled_is_counted() -> None:
    compiled = {str(p.relative_to(jit.HERE)) for p in jit.HERE.rglob("*.py") if re.search(r"^@(piece|compiled)$", p.read_text(encoding="utf-8"), re.MULTILINE)}
    assert compiled
    assert compiled | {"trips/places.py"} == set(jit.FILES)


def test_nothing_is_compiled_in_another_way() -> None:
    others = [p for p in jit.HERE.rglob("*.py") if p.name != "jit.py" and re.search(r"\bnjit\b|\bnumba\b import", p.read_text(encoding="utf-8"))]
    assert others == []


def test_what_is_kept_belongs_to_the_sources_as_they_are() -> None:
    folder = Path(config.CACHE_DIR).name  # type: ignore[attr-defined]
    assert folder == f"compiled-{jit._digest()}"
