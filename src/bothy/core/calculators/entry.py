"""One calculator: its contract, function and place, and the cautions that several fields share."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from bothy.core.contract import Contract, Outcome


@dataclass(frozen=True, slots=True)
class Calculator:
    """A calculator: ``name`` as it is called, field, the question it answers, contract and function."""

    name: str
    field: str
    title: str
    question: str
    input: type[Contract]
    output: type[Outcome]
    run: Callable[..., Outcome]
    example: dict[str, Any]
    caution: str = ""
