"""Reading tables that people bring: CSV or pasted text with any common separator, decimal comma or point."""

from __future__ import annotations

import csv
import io
import math

from bothy.core.contract import BadInput

MAX_CHARS = 2_000_000
MAX_ROWS = 2000


def sniff(text: str) -> str:
    """The separator: the one of tab, semicolon, comma and bar that splits the first line most."""
    first = next((line for line in text.splitlines() if line.strip()), "")
    best = max("\t;,|", key=lambda s: first.count(s))
    return best if first.count(best) else ","


def rows_of(text: str, item: str = "appliance") -> tuple[list[list[str]], str]:
    """Rows of cells and the separator; ``item`` is what a line should be. Raises :class:`BadInput` for an empty or oversized text."""
    text = text.removeprefix("\ufeff")
    if not text.strip():
        raise BadInput("file", f"is empty; it needs a line of column names and a line for each {item}")
    if len(text) > MAX_CHARS:
        raise BadInput("file", f"has {len(text):,} characters; at most {MAX_CHARS:,}")
    if "\x00" in text:
        raise BadInput("file", "is not text; export it as CSV first")
    separator = sniff(text)
    try:
        rows = [[cell.strip() for cell in row] for row in csv.reader(io.StringIO(text), delimiter=separator)]
    except csv.Error as exc:
        raise BadInput("file", f"cannot be read as a table: {exc}") from None
    return rows, separator


def cells_of(text: str) -> list[list[str]]:
    """Rows of cells of a large table, whatever its separator; empty rows left out. Raises :class:`BadInput` when there is none, or it is no table."""
    lines = text.splitlines()
    separator = sniff(next((x for x in lines if x.strip()), ""))
    try:
        rows = [r for r in csv.reader(lines, delimiter=separator) if any(c.strip() for c in r)]
    except csv.Error as exc:
        raise BadInput("file", f"cannot be read as a table: {exc}") from None
    if not rows:
        raise BadInput("file", "has no cells; it needs a line of column names and lines of values")
    return rows


def number_of(text: str) -> float:
    """A cell as a finite number, with decimal comma or point; nan for anything else."""
    try:
        value = float(text.strip().rstrip("%").replace(",", "."))
    except ValueError:
        return math.nan
    return value if math.isfinite(value) else math.nan


def plain(text: str) -> str:
    """A cell that no spreadsheet takes for a formula."""
    return "'" + text if text[:1] in ("=", "+", "-", "@", "\t", "\r") else text


def unplain(text: str) -> str:
    """The cell as it was before :func:`plain`."""
    return text[1:] if text[:1] == "'" and text[1:2] in ("=", "+", "-", "@") else text
