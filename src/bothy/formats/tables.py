"""Reading tables that people bring: CSV or pasted text with any common separator, decimal comma or point."""

from __future__ import annotations

import csv
import io

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


def plain(text: str) -> str:
    """A cell that no spreadsheet takes for a formula."""
    return "'" + text if text[:1] in ("=", "+", "-", "@", "\t", "\r") else text


def unplain(text: str) -> str:
    """The cell as it was before :func:`plain`."""
    return text[1:] if text[:1] == "'" and text[1:2] in ("=", "+", "-", "@") else text
