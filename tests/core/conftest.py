"""Whatever a test of the core makes a rule say is read as a reader would."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

import pytest

from bothy.core.finding import Finding
from bothy.core.words.catalogues import language
from tests.sentences import faults

BAD: dict[str, str] = {}
_made = Finding.__init__


def _read(self: Finding, **fields: Any) -> None:
    _made(self, **fields)
    if self.message not in BAD and language() == "en" and (wrong := faults(self.message)):
        BAD[self.message] = f"{self.rule} says “{self.message}”: {', '.join(wrong)}"


Finding.__init__ = _read  # type: ignore[method-assign]


@pytest.fixture(autouse=True)
def _well_said(request: pytest.FixtureRequest) -> Iterator[None]:
    """A module that makes findings of its own says so: ``OWN_MESSAGES = True``."""
    BAD.clear()
    yield
    assert getattr(request.module, "OWN_MESSAGES", False) or not BAD, "\n".join(BAD.values())
