"""A table in its reader's units and terms: headings that end in their unit, the numbers under them, and what is said in cells."""

from __future__ import annotations

from collections.abc import Callable, Sequence

from bothy.core.words.said import Reader, column, said
from bothy.core.words.terms import in_region
from bothy.formats.workbook import Cell, Table

NAMES = frozenset({"thing", "what", "run", "from", "to", "key", "id", "code", "bay", "up", "circuit", "board", "feeds", "name", "raceway", "codes", "known by"})
"""Columns of names and keys in tables that come back: they stay as they are in the design."""


def for_reader(t: Table, reader: Reader, digits: int = 3, kept: frozenset[str] = frozenset()) -> Table:
    """A table as its reader has it; numbers with so many digits where they were turned, columns ``kept`` as they are. Copper stays as it is sold."""
    name, headings, rows = t
    columns = [column(h, reader) for h in headings]

    def cell(v: Cell, of: str, turn: Callable[[float], float] | None) -> Cell:
        if isinstance(v, str):
            return v if of in kept else said(v, reader, "wiring")
        return v if turn is None or v is None else float(f"{turn(float(v)):.{digits}g}")

    made = [[cell(v, h, turn) for v, h, (_, turn) in zip(row, headings, columns, strict=True)] for row in rows]
    return in_region(name, reader.region), [h for h, _ in columns], made


def for_file(headings: Sequence[str], rows: Sequence[Sequence[Cell]], reader: Reader) -> tuple[Sequence[str], Sequence[Sequence[Cell]]]:
    """Headings and rows of a file that may be brought in again: exact enough to come back as they were, names and keys untouched."""
    _, turned, made = for_reader(("", headings, rows), reader, digits=6, kept=NAMES)
    return turned, made
