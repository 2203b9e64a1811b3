"""A page of the book while it is written, and where things are found."""

from __future__ import annotations

from collections.abc import Iterable

from bothy.core.design.document import Design
from bothy.core.handover.part import Block, BookPage, Missing
from bothy.core.handover.words import say
from bothy.core.report import Report


def place(r: Report, key: str) -> str:
    """Where a thing stands, in words; empty when it has no place."""
    t = next((x for x in r.fit.things if x.key == key), None)
    if t is None or t.box is None:
        return ""
    x0, x1, y0, y1, z0, z1 = t.box
    side = say("place-left" if (y0 + y1) / 2 > 0.25 else "place-right" if (y0 + y1) / 2 < -0.25 else "place-middle")
    high = say("place-over", metres=f"{max(0.0, (z0 + z1) / 2):.1f}") if z1 > 0 else say("place-under")
    return say("place-at", side=side, metres=f"{(x0 + x1) / 2:.1f}", high=high)


def where(d: Design, r: Report, what: str, key: str | None) -> str:
    said = d.handover.where.get(what, "")  # type: ignore[call-overload]
    return str(said) or (place(r, key) if key else "")


class Page:
    """A page that is being written."""

    def __init__(self, id: str, title: str, made_of: str) -> None:
        self.id, self.title, self.made_of = id, title, made_of
        self.missing: list[Missing] = []
        self.blocks: list[Block] = []

    def lack(self, text: str, to: str) -> None:
        self.missing.append(Missing(text=text, to=to))

    def heading(self, text: str) -> None:
        self.blocks.append(Block(kind="heading", text=text))

    def text(self, text: str) -> None:
        self.blocks.append(Block(kind="text", text=text))

    def warn(self, text: str) -> None:
        self.blocks.append(Block(kind="warning", text=text))

    def steps(self, items: Iterable[str]) -> None:
        self.blocks.append(Block(kind="steps", items=list(items)))

    def points(self, items: Iterable[str]) -> None:
        self.blocks.append(Block(kind="points", items=list(items)))

    def table(self, head: list[str], rows: list[list[str]]) -> None:
        if rows:
            self.blocks.append(Block(kind="table", head=head, rows=rows))

    def picture(self, name: str) -> None:
        self.blocks.append(Block(kind="picture", text=name))

    def done(self) -> BookPage:
        return BookPage(id=self.id, title=self.title, made_of=self.made_of, missing=self.missing, blocks=self.blocks)
