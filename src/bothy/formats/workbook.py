"""XLSX workbooks: a heading row and its table on each sheet; texts are never formulas."""

from __future__ import annotations

import io
from collections.abc import Sequence

from bothy.core.contract import BadInput
from bothy.formats.tables import MAX_ROWS

MAX_COLUMNS, MAX_INSIDE = 60, 50_000_000
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
                cell.value = value
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

    try:
        with zipfile.ZipFile(io.BytesIO(data)) as z:
            if sum(i.file_size for i in z.infolist()) > MAX_INSIDE:
                raise BadInput("file", f"unpacks to more than {MAX_INSIDE // 1_000_000} MB; save the one sheet that is meant")
        book = load_workbook(io.BytesIO(data), read_only=True, data_only=True)
    except (zipfile.BadZipFile, KeyError, ValueError, OSError) as exc:
        raise BadInput("file", f"is not an XLSX workbook ({type(exc).__name__}); save it as XLSX or CSV") from None
    for sheet in book.worksheets:
        rows = [[_text(v) for v in row[:MAX_COLUMNS]] for row in sheet.iter_rows(max_row=MAX_ROWS + 50, values_only=True)]
        filled = [r for r in rows if any(r)]
        if filled:
            width = max(i + 1 for r in filled for i, v in enumerate(r) if v)
            return "\n".join("\t".join((r + [""] * width)[:width]) for r in filled)
    raise BadInput("file", "has no sheet with anything on it")


def _text(value: object) -> str:
    if value is None:
        return ""
    text = f"{value:g}" if isinstance(value, float) else str(value)
    return " ".join(text.split())
