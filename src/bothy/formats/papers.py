"""Papers: what goes to the bench as HTML ready for paper; :mod:`bothy.formats.pdf` makes PDF of it."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cache
from pathlib import Path
from typing import Any

from jinja2 import Environment, FileSystemLoader, StrictUndefined

from bothy.core.design.document import Design
from bothy.core.report import Report
from bothy.core.wiring.lists import BenchLists
from bothy.core.words.said import METRIC_UK, Reader, said
from bothy.core.words.says import formats_says as says
from bothy.formats import bench_lists, diagram_svg, schedule
from bothy.formats import panel as panel_format
from bothy.formats.pdf import Sheet
from bothy.formats.turned import for_reader
from bothy.formats.workbook import Table

HERE = Path(__file__).with_name("papers")
SIZES_MM = {"A4": (210.0, 297.0), "A3": (297.0, 420.0), "letter": (215.9, 279.4)}
MARGIN_MM = 10.0
HEAD_MM = 22.0
"""Room for title, caution and key on a page of the diagram."""


@dataclass(frozen=True, slots=True)
class Paper:
    """Whose paper it is, at which revision, and on what size."""

    project: str
    variant: str
    revision: int
    licensed: str
    size: str
    fonts: str
    reader: Reader = METRIC_UK

    @property
    def caution(self) -> str:
        """What stands under every title."""
        told = says("revision-values-typical-where", revision=self.revision, licensed=self.licensed)
        return said(told, self.reader, "wiring")

    def table(self, t: Table) -> Table:
        """A table in the reader's units and terms."""
        return for_reader(t, self.reader)


def size_for(region: str) -> str:
    """The paper of a region."""
    return "letter" if region == "us" else "A4"


@cache
def _templates() -> Environment:
    return Environment(loader=FileSystemLoader(HERE), autoescape=True, undefined=StrictUndefined, trim_blocks=True)


def _made(name: str, paper: Paper, title: str, *, landscape: bool = False, size: str | None = None, **values: Any) -> str:
    whole = f"{paper.project} / {paper.variant}: {title}"
    foot = re.sub(r'["\\\n\r]', " ", f"{paper.project} / {paper.variant}, revision {paper.revision}")
    return (
        _templates()
        .get_template(name)
        .render(
            title=whole,
            foot=foot,
            caution=paper.caution,
            size=size or f"{paper.size}{' landscape' if landscape else ''}",
            margin=f"{MARGIN_MM:g}mm",
            fonts=paper.fonts,
            **values,
        )
    )


def diagram(paper: Paper, report: Report) -> str:
    """The single-line diagram, as wide as a landscape page, on as many pages as its rows need."""
    d = report.diagram()
    short, long = SIZES_MM[paper.size]
    room = short - 2 * MARGIN_MM - HEAD_MM
    most = room * d.width / (long - 2 * MARGIN_MM)
    parts = [diagram_svg.page_svg(d, top, bottom) for top, bottom in diagram_svg.pages(d, most)]
    return _made("diagram.html", paper, says("single-line-diagram"), landscape=True, pages=parts, key=diagram_svg.KEY_TEXT, room_mm=room)


def labels(paper: Paper, lists: BenchLists) -> str:
    """The label sheet: a strip for each way, every wire label twice."""
    return _made("labels.html", paper, says("label-sheet"), labels=lists.labels, open=lists.open)


def circuits(paper: Paper, design: Design, report: Report) -> str:
    """The circuit schedule."""
    return _made(
        "tables.html",
        paper,
        says("circuit-schedule"),
        landscape=True,
        tables=[paper.table((says("circuits"), schedule.HEADINGS, schedule.rows(design, report)))],
        open=[],
    )


def lists(paper: Paper, made: BenchLists) -> str:
    """Cable, terminals, fuses, relays, conduits and the loop test."""
    return _made(
        "tables.html",
        paper,
        says("lists-for-bench"),
        landscape=True,
        tables=[paper.table(t) for t in bench_lists.tables(made) if t[0] != "Labels"],
        open=made.open,
    )


def panel(paper: Paper, report: Report) -> list[Sheet]:
    """The switch panel at 1:1 on a page that is large enough for it, as layers for cutting, engraving, fronts and notes. Raises LookupError without a panel."""
    part = report.wiring.panel
    if part is None:
        raise LookupError("panel")
    short, long = SIZES_MM[paper.size]
    need_w, need_h = part.width_mm + 2 * MARGIN_MM, part.height_mm + 2 * MARGIN_MM + 40
    fits = need_w <= long and need_h <= short
    size = f"{paper.size} landscape" if fits else f"{max(need_w, 150):g}mm {max(need_h, 100):g}mm"
    return [
        Sheet(
            layer.upper(),
            _made("panel.html", paper, says("switch-panel"), size=size, plate=panel_format.to_svg(part, paper.project, (layer,)), ok=part.ok, layer=layer),
        )
        for layer in (*panel_format.LAYERS, "notes")
    ]
