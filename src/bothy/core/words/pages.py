"""What the pages speak by: terms by region, currencies, and the words of a design's choices."""

from __future__ import annotations

from bothy.core.design.document import Design
from bothy.core.words.choices import words_in
from bothy.core.words.terms import for_the_browser


def for_pages() -> dict[str, object]:
    """Terms and currencies by region (:func:`for_the_browser`), and what each choice of a design is called, by its key."""
    return {**for_the_browser(), "choices": words_in(Design.model_json_schema())}
