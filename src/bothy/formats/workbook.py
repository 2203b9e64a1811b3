"""XLSX workbooks: a heading row and its table on each sheet; texts are never formulas."""

from __future__ import annotations

import io
from collections.abc import Sequence

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
