"""What a choice of a design or of a sum is called: ``free_air`` is “free air”."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from bothy.core.words.catalogues import Catalogue

CHOICES = Catalogue("bothy.core.words", ["choices"])


def word_of(choice: str) -> str:
    """The words of a choice, by its key. Raises :class:`KeyError` for a choice that has none."""
    return CHOICES.say(choice.replace("_", "-"))


def choices_of(schema: Any) -> Iterator[str]:
    """Every choice that a JSON Schema allows somewhere, but for numbers and sizes of wire, which are their own words."""
    if isinstance(schema, dict):
        for key, value in schema.items():
            each = value if key == "enum" else [value] if key == "const" else None
            if each is None:
                yield from choices_of(value)
            else:
                yield from (x for x in each if isinstance(x, str) and not x[0].isdigit() and len(x) > 1)
    elif isinstance(schema, list):
        for part in schema:
            yield from choices_of(part)


def words_in(*schemas: Any) -> dict[str, str]:
    """What each choice of some JSON Schemas is called, by its key."""
    return {choice: word_of(choice) for choice in sorted({c for s in schemas for c in choices_of(s)})}
