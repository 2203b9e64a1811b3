"""Hand over as it is shown: the book page by page, papers, maintenance."""

from __future__ import annotations

from typing import Literal

from pydantic import BaseModel

from bothy.core.method.sources import SourceOut


class Missing(BaseModel):
    """Something that a page lacks, and where it is entered: a stage with its view."""

    text: str
    to: str


class Block(BaseModel):
    """A piece of a page: a heading, a text, steps in order, points, a table, or a picture of the design by its name."""

    kind: Literal["heading", "text", "warning", "steps", "points", "table", "picture"]
    text: str = ""
    items: list[str] = []
    head: list[str] = []
    rows: list[list[str]] = []


class BookPage(BaseModel):
    """A page of the book: written when nothing is missing; ``from_``: what it is made of."""

    id: str
    title: str
    made_of: str
    missing: list[Missing]
    blocks: list[Block]


class PaperPart(BaseModel):
    """A paper of the region: who signs it, whether the system waits for it, and who signed; ``signature``: its picture, by its hash."""

    id: str
    name: str
    system: str
    by: str
    needed: bool
    signed_by: str
    licence: str
    number: str
    on: str
    signature: str = ""


class CarePart(BaseModel):
    """An item of maintenance with when it is due, the km and the hours, litres or cycles that are left, and what it cost so far. ``once``: it isn't done
    again; ``counter``: what is counted for it; ``limit``: what comes first, ``use``: so much of it a day by the plan."""

    id: str
    name: str
    every: str
    once: bool
    last: str | None
    due: str | None
    km_left: float | None
    counter: str | None
    unit: str
    count_left: float | None
    use: float | None
    limit: str | None
    status: str
    how: str
    cost: float


class BookPart(BaseModel):
    """The whole book on a day."""

    name: str
    variant: str
    today: str
    pages: list[BookPage]
    papers: list[PaperPart]
    care: list[CarePart]
    source: list[SourceOut]
    held_back: list[str]
    """Systems that can't be handed over yet: their licensed paper is missing."""
