"""The circuit schedule as CSV and XLSX."""

from __future__ import annotations

import csv
import io

from bothy.core.design.document import Design
from bothy.core.report import Report
from bothy.core.wiring.circuits import size_text
from bothy.core.wiring.fuses import FAMILIES
from bothy.core.words.said import METRIC_UK, Reader
from bothy.core.words.says import formats_says as says
from bothy.formats import workbook
from bothy.formats.tables import plain
from bothy.formats.turned import for_file

HEADINGS = (
    "code",
    "circuit",
    "board",
    "feeds",
    "length one way m",
    "design current A",
    "cable",
    "ampacity A",
    "voltage drop V",
    "voltage drop %",
    "lost from bank V",
    "limit V",
    "protection",
    "rating A",
    "type",
    "findings",
)


def rows(design: Design, report: Report) -> list[list[str | float]]:
    """One row a circuit, in the order of the schedule, then the cables that are no circuits; open values are empty."""
    boards = {b.id: b.name for b in design.wiring.boards}
    out: list[list[str | float]] = []
    for c in design.wiring.circuits:
        p = report.wiring.circuits[c.id]
        open_findings = [f.title for f in report.findings if (f.subject == c.id or c.id in f.related) and f.severity in ("danger", "fault")]
        out.append(
            [
                p.code,
                plain(c.name),
                plain(boards.get(c.board or "", "busbar")),
                plain(", ".join(p.appliance_names)),
                round(p.length_m, 2),
                round(p.current_a, 2),
                size_text(c.area_mm2, c.awg, c.parallel_count),
                round(p.ampacity_a, 1) if p.ampacity_a is not None else "",
                round(p.drop_v, 3) if p.drop_v is not None else "",
                round(100 * p.drop_frac, 2) if p.drop_frac is not None else "",
                round(p.path_drop_v, 3) if p.path_drop_v is not None else "",
                round(p.limit_v, 3),
                "none" if c.fuse_a is None else c.protection,
                c.fuse_a if c.fuse_a is not None else "",
                FAMILIES[c.fuse_family].name if c.fuse_family else "",
                "; ".join(open_findings),
            ]
        )
    for id, o in report.wiring.others.items():
        open_findings = [f.title for f in report.findings if f.subject == f"other:{id}" and f.severity in ("danger", "fault")]
        out.append(
            [
                o.code,
                plain(o.name),
                "",
                plain(o.from_to),
                round(o.length_m, 2),
                round(o.current_a, 2) if o.current_a is not None else "",
                o.size_text,
                round(o.ampacity_a, 1) if o.ampacity_a is not None else "",
                "",
                round(100 * o.drop_frac, 2) if o.drop_frac is not None else "",
                "",
                "",
                o.protection,
                o.protection_a if o.protection_a is not None else "",
                "",
                "; ".join(open_findings),
            ]
        )
    return out


def to_csv(design: Design, report: Report, reader: Reader = METRIC_UK) -> str:
    """The schedule as CSV."""
    headings, made = for_file(HEADINGS, rows(design, report), reader)
    file = io.StringIO()
    writer = csv.writer(file, lineterminator="\r\n")
    writer.writerow(headings)
    writer.writerows(made)
    return file.getvalue()


def to_xlsx(design: Design, report: Report, title: str, reader: Reader = METRIC_UK) -> bytes:
    """The schedule as an XLSX workbook."""
    return workbook.to_xlsx([(says("circuits"), *for_file(HEADINGS, rows(design, report), reader))], title)
