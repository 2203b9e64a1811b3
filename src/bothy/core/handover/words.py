"""The words of the book, from one catalogue (book.en.ftl)."""

from __future__ import annotations

from bothy.core.words.catalogues import Catalogue

BOOK = Catalogue("bothy.core.handover", ["book"])
say = BOOK.say
