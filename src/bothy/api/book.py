"""Hand over: the vehicle's book on a day, and its files."""

from __future__ import annotations

import uuid
from typing import Any, Literal, NamedTuple

from fastapi import APIRouter, Response
from fastapi.concurrency import run_in_threadpool

from bothy.api.build import Day, day_asked
from bothy.api.photos import Pictures
from bothy.api.printing import PrintFailed, to_pdf
from bothy.api.problems import ProblemBody, problem
from bothy.api.projects import attachment
from bothy.api.state import Cache, Store, standing
from bothy.core.facts.evidence import facts_of
from bothy.core.handover.book import book
from bothy.core.handover.part import BookPart
from bothy.core.handover.spoken import spoken
from bothy.core.report import Report
from bothy.core.words.said import UnitSystem, reader_of
from bothy.formats import book_files, diagram_svg, places
from bothy.formats.papers import size_for
from bothy.formats.pdf import Sheet
from bothy.store.photos import Photos

router = APIRouter(prefix="/api/variants", tags=["handover"])


class _Made(NamedTuple):
    book: BookPart
    report: Report
    region: str

    def pictures(self, photos: Photos) -> dict[str, str]:
        """The drawings and photographs that stand in the book."""
        out = {"diagram": book_files.drawn(diagram_svg.to_svg(self.report.diagram(), self.book.name))}
        if self.report.fit.placed:
            out["layout"] = book_files.drawn(places.to_svg(self.report.fit, self.book.name))
        named = [b.text.partition(":")[2] for p in self.book.pages for b in p.blocks if b.kind == "picture" and b.text.startswith("photo:")]
        return {**out, **{f"photo:{k}": book_files.photo(v) for k, v in photos.thumbs(named).items()}}


def _made(variant_id: uuid.UUID, today: str, store: Store, reports: Cache, units: UnitSystem | None = None, plain: bool = False) -> _Made:
    day = day_asked(today)
    head, kept = standing(store, reports, variant_id)
    made = book(kept.design, kept.report, facts_of(head.evidence), day, head.project_name, head.variant_name)
    region = kept.design.region
    if not plain:
        made = spoken(made, reader_of(kept.design, units))
    return _Made(made, kept.report, region)


@router.get("/{variant_id}/book", operation_id="getBook", response_model=BookPart, responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def get_book(variant_id: uuid.UUID, today: Day, store: Store, reports: Cache) -> Any:
    """The book page by page, with what is missing, papers and maintenance."""
    return _made(variant_id, today, store, reports, plain=True).book


@router.get(
    "/{variant_id}/book/file/{kind}", operation_id="bookFile", response_class=Response, responses={422: {"model": ProblemBody}, 503: {"model": ProblemBody}}
)
async def book_file(
    variant_id: uuid.UUID,
    kind: Literal["book.html", "book.pdf", "cards.pdf", "book.json", "maintenance.ics"],
    today: Day,
    store: Store,
    reports: Cache,
    photos: Pictures,
    size: Literal["A4", "letter"] | None = None,
    units: UnitSystem | None = None,
) -> Response:
    """The book as one page that works offline, as a PDF, the cards for the wall at A5, the book's data, or maintenance for a calendar; in the terms of the
    region, and in the units that are asked for or usual there."""

    def make() -> tuple[_Made, str]:
        m = _made(variant_id, today, store, reports, units, kind == "book.json")
        if kind == "book.html":
            return m, book_files.to_html(m.book, m.pictures(photos))
        if kind == "book.pdf":
            return m, book_files.to_paper(m.book, m.pictures(photos), size or size_for(m.region))
        if kind == "cards.pdf":
            return m, book_files.to_cards(m.book)
        return m, m.book.model_dump_json(indent=2) if kind == "book.json" else book_files.to_ics(m.book)

    m, text = await run_in_threadpool(make)
    headers = attachment(f"{m.book.name} {kind}")
    if not kind.endswith(".pdf"):
        media = {"html": "text/html; charset=utf-8", "json": "application/json", "ics": "text/calendar; charset=utf-8"}[kind.rsplit(".", 1)[1]]
        return Response(text, media_type=media, headers=headers)
    try:
        data = await to_pdf([Sheet(None, text)])
    except PrintFailed as exc:
        return problem(503, "pdf", str(exc))
    return Response(data, media_type="application/pdf", headers=headers)
