"""The circuit schedule as CSV and XLSX."""

from __future__ import annotations

import csv
import io

from bothy.core.design.document import Design
from bothy.core.report import Report
from bothy.core.wiring.circuits import size_text
from bothy.core.wiring.fuses import FAMILIES
from bothy.formats.tables import plain

HEADINGS = ("code", "circuit", "board", "feeds", "length one way m", "design current A", "cable", "ampacity A", "voltage drop V", "voltage drop %",
            "limit V", "protection", "rating A", "type", "findings")  # fmt: skip


def rows(design: Design, report: Report) -> list[list[str | float]]:
    """One row a circuit, in the order of the schedule; open values are empty."""
    boards = {b.id: b.name for b in design.wiring.boards}
    out: list[list[str | float]] = []
    for c in design.wiring.circuits:
        p = report.wiring.circuits[c.id]
        open_findings = [f.title for f in report.findings if (f.subject == c.id or c.id in f.related) and f.severity in ("danger", "fault")]
        out.append([
            p.code, plain(c.name), plain(boards.get(c.board or "", "busbar")), plain(", ".join(p.appliance_names)), round(p.length_m, 2), round(p.current_a, 2),
            size_text(c.area_mm2, c.awg, c.parallel_count), round(p.ampacity_a, 1) if p.ampacity_a is not None else "",
            round(p.drop_v, 3) if p.drop_v is not None else "", round(100 * p.drop_frac, 2) if p.drop_frac is not None else "", round(p.limit_v, 3),
            "none" if c.fuse_a is None else c.protection, c.fuse_a if c.fuse_a is not None else "",
            FAMILIES[c.fuse_family].name if c.fuse_family else "", "; ".join(open_findings),
        ])  # fmt: skip
    return out


def to_csv(design: Design, report: Report) -> str:
    """The schedule as CSV."""
    file = io.StringIO()
    writer = csv.writer(file, lineterminator="\r\n")
    writer.writerow(HEADINGS)
    writer.writerows(rows(design, report))
    return file.getvalue()


def to_xlsx(design: Design, report: Report, title: str) -> bytes:
    """The schedule as an XLSX workbook: a heading, then the table; texts are never formulas."""
    from openpyxl import Workbook
    from openpyxl.styles import Alignment, Font
    from openpyxl.utils import get_column_letter

    book = Workbook()
    sheet = book.active
    assert sheet is not None
    sheet.title = "Circuits"
    table: list[list[str | float]] = [list(HEADINGS), *rows(design, report)]
    for r, line in enumerate(table, 1):
        for k, value in enumerate(line, 1):
            cell = sheet.cell(r, k)
            cell.value = value
            if isinstance(value, str):
                cell.data_type = "s"
            if r == 1:
                cell.font = Font(bold=True)
                cell.alignment = Alignment(wrap_text=True, vertical="top")
    for k in range(1, len(HEADINGS) + 1):
        widest = max(len(str(line[k - 1])) for line in table[1:] or [[""] * len(HEADINGS)])
        sheet.column_dimensions[get_column_letter(k)].width = min(40, max(9, widest + 2))
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
