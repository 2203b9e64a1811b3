"""No folder of tests is passed over: pytest leaves out folders by their name, and a stage of the work may bear such a name."""

from __future__ import annotations

from fnmatch import fnmatch
from pathlib import Path

import pytest

ROOT = Path(__file__).parents[1]


def test_every_folder_of_tests_is_looked_into(pytestconfig: pytest.Config) -> None:
    passed_over = pytestconfig.getini("norecursedirs")
    folders = {f.parent.relative_to(ROOT) for f in ROOT.rglob("test_*.py")}
    assert Path("core/build") in folders
    assert not [str(f) for f in folders if any(fnmatch(part, p) for part in f.parts for p in passed_over)]
