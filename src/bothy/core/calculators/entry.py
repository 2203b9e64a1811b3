"""One calculator: its contract, function and place."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from bothy.core.contract import Contract, Outcome
from bothy.core.words.catalogues import Catalogue

WORDS = Catalogue("bothy.core.words", ["sums"])


@dataclass(frozen=True, slots=True)
class Calculator:
    """A calculator: ``name`` as it is called, field, contract and function; ``warns`` names the caution beside it. Its words stand in the catalogue of sums."""

    name: str
    field: str
    input: type[Contract]
    output: type[Outcome]
    run: Callable[..., Outcome]
    example: dict[str, Any]
    warns: str = ""

    @property
    def title(self) -> str:
        """What it works out."""
        return WORDS.plain(self.name) or ""

    @property
    def question(self) -> str:
        """The question that it answers."""
        return WORDS.plain(self.name, "question") or ""

    @property
    def caution(self) -> str:
        """What is said beside it; empty where nothing is."""
        return (WORDS.plain(f"caution-{self.warns}") or "") if self.warns else ""
