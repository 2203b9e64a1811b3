"""The book in the units and terms of who reads it."""

from __future__ import annotations

from bothy.core.handover.part import Block, BookPage, BookPart
from bothy.core.words.said import Reader, said

STAGE = {"circuits": "wiring", "fuses": "wiring", "tests": "prove"}
"""Pages whose square millimetres are copper."""


def _page(p: BookPage, reader: Reader) -> BookPage:
    stage = STAGE.get(p.id, "")

    def say(text: str) -> str:
        return said(text, reader, stage)

    def block(b: Block) -> Block:
        if b.kind == "picture":
            return b
        return b.model_copy(
            update={
                "text": say(b.text),
                "items": [say(x) for x in b.items],
                "head": [say(x) for x in b.head],
                "rows": [[say(c) for c in row] for row in b.rows],
            }
        )

    missing = [m.model_copy(update={"text": say(m.text)}) for m in p.missing]
    return p.model_copy(update={"title": say(p.title), "missing": missing, "blocks": [block(b) for b in p.blocks]})


def spoken(b: BookPart, reader: Reader) -> BookPart:
    """The whole book for its reader; what was measured keeps its value, in the reader's unit."""
    care = [c.model_copy(update={"name": said(c.name, reader), "every": said(c.every, reader), "how": said(c.how, reader)}) for c in b.care]
    return b.model_copy(update={"pages": [_page(p, reader) for p in b.pages], "care": care})
