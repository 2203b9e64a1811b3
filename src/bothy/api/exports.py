"""Exports of a variant: ledgers, pictures and papers in open formats."""

from __future__ import annotations

import uuid
from collections.abc import Callable
from typing import Annotated, Literal, NamedTuple

import orjson
from fastapi import APIRouter, Request, Response
from fastapi.concurrency import run_in_threadpool
from pydantic import Field

from bothy.api.printing import PrintFailed, to_pdf
from bothy.api.problems import ProblemBody, problem
from bothy.api.projects import attachment
from bothy.api.state import Cache, Store, standing
from bothy.core.contract import BadInput
from bothy.core.facts.evidence import facts_of
from bothy.core.report import Report
from bothy.core.wiring.lists import BenchLists, bench_lists
from bothy.core.wiring.panel_design import PanelPart
from bothy.core.words.said import Reader, UnitSystem, reader_of
from bothy.core.words.says import api_says as says
from bothy.formats import appliances_csv, diagram_svg, papers, places, schedule
from bothy.formats import panel as panel_format
from bothy.formats.bench_lists import write as write_lists
from bothy.formats.pdf import Sheet
from bothy.store.projects import VariantHead

router = APIRouter(prefix="/api/variants", tags=["variants"])
Kind = Literal[
    "appliances.csv",
    "circuits.csv",
    "circuits.xlsx",
    "lists.xlsx",
    "panel.svg",
    "panel.dxf",
    "diagram.svg",
    "report.json",
    "places.csv",
    "masses.csv",
    "ways.csv",
    "layout.svg",
    "layout.dxf",
    "layout.xlsx",
]
PaperKind = Literal["diagram", "labels", "circuits", "lists", "panel"]
MEDIA = {
    "csv": "text/csv; charset=utf-8",
    "xlsx": "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
    "svg": "image/svg+xml",
    "dxf": "image/vnd.dxf",
    "json": "application/json",
}


Units = Annotated[UnitSystem | None, Field(description="of the tables; those of the region when absent")]


class _Made(NamedTuple):
    """A variant with its report, title and reader."""

    head: VariantHead
    report: Report
    reader: Reader

    @property
    def title(self) -> str:
        return f"{self.head.project_name} / {self.head.variant_name}"

    @property
    def lists(self) -> BenchLists:
        return bench_lists(self.head.design, self.report.wiring.circuits, self.report.wiring.raceways, self.report.wiring.others, facts_of(self.head.evidence))

    @property
    def panel(self) -> PanelPart:
        if self.report.wiring.panel is None:
            raise BadInput("panel", says("there-no-switch-panel"))
        return self.report.wiring.panel


WRITERS: dict[str, Callable[[_Made], str | bytes]] = {
    "appliances.csv": lambda m: "\ufeff" + appliances_csv.write(m.head.design.life.appliances, m.reader.units),
    "circuits.csv": lambda m: "\ufeff" + schedule.to_csv(m.head.design, m.report, m.reader),
    "circuits.xlsx": lambda m: schedule.to_xlsx(m.head.design, m.report, m.title, m.reader),
    "lists.xlsx": lambda m: write_lists(m.lists, m.title, m.reader),
    "panel.svg": lambda m: panel_format.to_svg(m.panel, m.title),
    "panel.dxf": lambda m: panel_format.to_dxf(m.panel),
    "diagram.svg": lambda m: diagram_svg.to_svg(m.report.diagram(), m.title),
    "places.csv": lambda m: "\ufeff" + places.places_csv(m.head.design, m.report.fit, m.reader),
    "masses.csv": lambda m: "\ufeff" + places.masses_csv(m.report.fit, m.reader),
    "ways.csv": lambda m: "\ufeff" + places.ways_csv(m.report.fit, m.reader),
    "layout.svg": lambda m: places.to_svg(m.report.fit, m.title, m.reader),
    "layout.dxf": lambda m: places.to_dxf(m.report.fit),
    "layout.xlsx": lambda m: places.to_xlsx(m.head.design, m.report.fit, m.title, m.reader),
    "report.json": lambda m: orjson.dumps(m.report.whole(), option=orjson.OPT_INDENT_2),
}


def _made(variant_id: uuid.UUID, store: Store, reports: Cache, units: UnitSystem | None = None) -> _Made:
    head, kept = standing(store, reports, variant_id)
    return _Made(head, kept.report, reader_of(head.design, units))


@router.get("/{variant_id}/export/{kind}", operation_id="exportVariant", response_class=Response)
def export_variant(variant_id: uuid.UUID, kind: Kind, store: Store, reports: Cache, units: Units = None) -> Response:
    """A file of the newest revision. Tables are in the reader's units; those that can be brought in again are read in any; drawings stay in millimetres."""
    m = _made(variant_id, store, reports, units)
    return Response(WRITERS[kind](m), media_type=MEDIA[kind.rsplit(".", 1)[1]], headers=attachment(f"{m.head.project_name} {kind}"))


@router.get("/{variant_id}/document.json", operation_id="exportDocument", response_class=Response)
def export_document(variant_id: uuid.UUID, store: Store, revision: int | None = None) -> Response:
    """The stored text of a revision as it is, also where it can't be computed any more."""
    return Response(store.document(variant_id, revision), media_type="application/json", headers=attachment("design document.json"))


@router.get("/{variant_id}/paper/{kind}.pdf", operation_id="printVariant", response_class=Response, responses={503: {"model": ProblemBody}})
async def print_variant(
    variant_id: uuid.UUID,
    kind: PaperKind,
    request: Request,
    store: Store,
    reports: Cache,
    size: Annotated[Literal["A4", "A3", "letter"] | None, Field(description="paper; that of the region when absent")] = None,
    units: Units = None,
) -> Response:
    """A paper of the newest revision as PDF."""

    def page() -> tuple[_Made, list[Sheet]]:
        m = _made(variant_id, store, reports, units)
        design = m.head.design
        paper = papers.Paper(
            m.head.project_name,
            m.head.variant_name,
            m.head.revision,
            m.report.licensed,
            size or papers.size_for(design.region),
            request.app.state.fonts,
            m.reader,
        )
        if kind == "panel":
            _ = m.panel
            return m, papers.panel(paper, m.report)
        made = {
            "diagram": lambda: papers.diagram(paper, m.report),
            "labels": lambda: papers.labels(paper, m.lists),
            "lists": lambda: papers.lists(paper, m.lists),
            "circuits": lambda: papers.circuits(paper, design, m.report),
        }
        return m, [Sheet(None, made[kind]())]

    m, sheets = await run_in_threadpool(page)
    try:
        data = await to_pdf(sheets)
    except PrintFailed as exc:
        return problem(503, "pdf", str(exc))
    return Response(data, media_type="application/pdf", headers=attachment(says("pdf", project_name=m.head.project_name, kind=kind)))
