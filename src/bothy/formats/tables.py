"""Reading tables that people bring: CSV or pasted text with any common separator, decimal comma or point."""

from __future__ import annotations

import csv
import datetime as dt
import io
import math
import re

from bothy.core.contract import BadInput
from bothy.core.words.says import formats_says as says

MAX_CHARS = 2_000_000
MAX_ROWS = 2000


def sniff(text: str) -> str:
    """The separator: the one of tab, semicolon, comma and bar that splits the first line most."""
    first = next((line for line in text.splitlines() if line.strip()), "")
    best = max("\t;,|", key=lambda s: first.count(s))
    return best if first.count(best) else ","


_SEP_LINE = re.compile(r"^sep=(.)\r?(?:\n|$)", re.I)
FIRST_YEAR, LAST_YEAR = 1900, 2200


def begun(text: str) -> tuple[str, str]:
    """A table without its byte order mark and without a first line “sep=;”, and its separator."""
    text = text.removeprefix("\ufeff")
    said = _SEP_LINE.match(text)
    return (text[said.end() :], said[1]) if said else (text, sniff(text))


def in_years(when: dt.date) -> None:
    """Refuse a moment that no table of a vehicle can hold. Raises ValueError."""
    if not FIRST_YEAR <= when.year <= LAST_YEAR:
        raise ValueError(f"year {when.year} is not between {FIRST_YEAR} and {LAST_YEAR}")


def rows_of(text: str, item: str = "appliance") -> tuple[list[list[str]], str]:
    """Rows of cells and the separator; ``item`` is what a line should be. Raises :class:`BadInput` for an empty or oversized text."""
    text, separator = begun(text)
    if not text.strip():
        raise BadInput("file", says("empty-needs-line-column", item=item))
    if len(text) > MAX_CHARS:
        raise BadInput("file", says("has-characters-at-most", text_count=f"{len(text):,}", max_chars=f"{MAX_CHARS:,}"))
    if "\x00" in text:
        raise BadInput("file", says("not-text-export-as"))
    try:
        rows = [[cell.strip() for cell in row] for row in csv.reader(io.StringIO(text), delimiter=separator)]
    except csv.Error as exc:
        raise BadInput("file", says("cannot-be-read-as", exc=exc)) from None
    return rows, separator


def cells_of(text: str) -> list[list[str]]:
    """Rows of cells of a large table, whatever its separator; empty rows left out. Raises :class:`BadInput` when there is none, or it is no table."""
    text, separator = begun(text)
    lines = text.splitlines()
    try:
        rows = [r for r in csv.reader(lines, delimiter=separator) if any(c.strip() for c in r)]
    except csv.Error as exc:
        raise BadInput("file", says("cannot-be-read-as", exc=exc)) from None
    if not rows:
        raise BadInput("file", says("has-no-cells-needs"))
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
