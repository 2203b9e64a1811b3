"""Tables that ship with the core: rows that know their line, and cells that say their column when they can't be read."""

from __future__ import annotations

import csv
import math
from collections.abc import Iterable, Iterator
from importlib import resources

from bothy.core.words.says import catalogue_says as says


class BadCatalogue(ValueError):
    """A row that can't be read; says table, line and column, and what would be right."""


class Row:
    """One row of a table."""

    def __init__(self, table: str, line: int, cells: dict[str, str]) -> None:
        self.table, self.line, self.cells = table, line, cells

    def wrong(self, column: str, what: str) -> BadCatalogue:
        """The error to raise for a cell."""
        return BadCatalogue(says("line-column", table=self.table, line=self.line, column=column, what=what))

    def text(self, column: str) -> str:
        """A cell as it is written; empty is allowed, a column that is missing is not."""
        cell = self.cells.get(column)
        if cell is None:
            raise self.wrong(column, says("missing"))
        return cell

    def number(self, column: str) -> float:
        """A cell that must be a number."""
        text = self.text(column)
        try:
            value = float(text)
        except ValueError:
            value = math.nan
        if not math.isfinite(value):
            raise self.wrong(column, says("not-number", text=text))
        return value

    def number_or_none(self, column: str) -> float | None:
        """A cell that may be empty."""
        return self.number(column) if self.text(column) else None


def rows(table: str, lines: Iterable[str], key: str) -> Iterator[Row]:
    """The rows of a table; each needs a ``key`` of its own. Raises :class:`BadCatalogue`."""
    reader, seen = csv.DictReader(lines), set()
    for cells in reader:
        row = Row(table, reader.line_num, cells)
        name = row.text(key)
        if not name or name in seen:
            raise row.wrong(key, says("there-twice", name=name) if name else says("empty"))
        seen.add(name)
        yield row


def shipped(name: str) -> list[str]:
    """Lines of a table that ships."""
    return (resources.files(__package__) / "data" / name).read_text(encoding="utf-8").splitlines(keepends=True)
