"""XLSX workbooks: a heading row and its table on each sheet; texts are never formulas."""

from __future__ import annotations

import io
from collections.abc import Sequence
from typing import Any

from bothy.core.contract import BadInput
from bothy.core.plain import as_text
from bothy.core.words.says import formats_says as says
from bothy.formats.tables import MAX_ROWS

MAX_COLUMNS, MAX_INSIDE, MAX_CELL, MAX_PARTS = 60, 20_000_000, 5_000, 500
Cell = str | float | int | None
Table = tuple[str, Sequence[str], Sequence[Sequence[Cell]]]
"""Sheet name, headings, rows."""


def to_xlsx(tables: Sequence[Table], title: str) -> bytes:
    """A workbook of tables, each ready for paper; ``title`` stands in the page header."""
    from openpyxl import Workbook
    from openpyxl.styles import Alignment, Font
    from openpyxl.utils import get_column_letter

    book = Workbook()
    book.remove(book.active)
    for name, headings, rows in tables:
        sheet = book.create_sheet(name)
        for r, line in enumerate([list(headings), *rows], 1):
            for k, value in enumerate(line, 1):
                cell = sheet.cell(r, k)
                cell.value = as_text(value) if isinstance(value, str) else value
                if isinstance(value, str):
                    cell.data_type = "s"
                if r == 1:
                    cell.font = Font(bold=True)
                    cell.alignment = Alignment(wrap_text=True, vertical="top")
        for k in range(1, len(headings) + 1):
            widest = max((len(str(line[k - 1] if line[k - 1] is not None else "")) for line in rows), default=0)
            sheet.column_dimensions[get_column_letter(k)].width = min(60, max(9, widest + 2))
        sheet.freeze_panes = "C2"
        sheet.print_title_rows = "1:1"
        sheet.page_setup.orientation = "landscape"
        sheet.page_setup.fitToWidth = 1
        sheet.page_setup.fitToHeight = 0
        sheet.sheet_properties.pageSetUpPr.fitToPage = True
        sheet.oddHeader.center.text = title[:80].replace("&", "&&")
    file = io.BytesIO()
    book.save(file)
    return file.getvalue()


def from_xlsx(data: bytes) -> str:
    """The first sheet that holds anything, as text with tabs between cells. Raises :class:`BadInput` for what is no workbook or is too large."""
    import zipfile

    from openpyxl import load_workbook

    if data[:2] != b"PK":
        raise BadInput("file", says("not-xlsx-workbook-save"))
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as z:
            inside = z.infolist()
            if len(inside) > MAX_PARTS or sum(i.file_size for i in inside) > MAX_INSIDE:
                raise BadInput("file", says("too-large-workbook-unpacks", max_inside=MAX_INSIDE // 1000000))
        book = load_workbook(io.BytesIO(data), read_only=True, data_only=True, keep_links=False)
        for sheet in book.worksheets:
            filled = _filled(sheet)
            if filled:
                width = max(i + 1 for r in filled for i, v in enumerate(r) if v)
                return "\n".join("\t".join((r + [""] * width)[:width]) for r in filled)
    except (BadInput, MemoryError):
        raise
    except Exception as exc:  # whatever a damaged archive or its XML makes the reader stumble over
        raise BadInput("file", says("not-xlsx-workbook-that", name=type(exc).__name__)) from None
    raise BadInput("file", says("has-no-sheet-with"))


def _filled(sheet: Any) -> list[list[str]]:
    """The rows of a sheet that hold anything, read one by one. Raises :class:`BadInput` for more than a list can have."""
    out: list[list[str]] = []
    sheet.reset_dimensions()  # what a sheet says of its own size is often wrong
    for n, row in enumerate(sheet.iter_rows(max_col=MAX_COLUMNS, values_only=True), 1):
        cells = [_text(v) for v in row]
        if any(cells):
            out.append(cells)
        if len(out) > MAX_ROWS + 1 or n > 20 * MAX_ROWS:
            raise BadInput("file", says("too-large-workbook-has", max_rows=f"{MAX_ROWS:,}"))
    return out


def _text(value: object) -> str:
    if value is None:
        return ""
    text = f"{value:.15g}" if isinstance(value, float) else str(value)
    if len(text) > MAX_CELL:
        raise BadInput("file", says("too-large-workbook-one", text_count=f"{len(text):,}", max_cell=f"{MAX_CELL:,}"))
    return " ".join(text.split())
