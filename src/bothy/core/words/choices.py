"""What a choice of a design or of a sum is called: ``free_air`` is “free air”."""

from __future__ import annotations

from bothy.core.words.catalogues import Catalogue

CHOICES = Catalogue("bothy.core.words", ["choices"])


def word_of(choice: str) -> str:
    """The words of a choice, by its key. Raises :class:`KeyError` for a choice that has none."""
    return CHOICES.say(choice.replace("_", "-"))
