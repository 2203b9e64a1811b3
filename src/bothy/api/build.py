"""Build on a day: tasks, plan, gates, shopping, log; the finish as a fan; lists and calendar as files."""

from __future__ import annotations

import datetime as dt
import time
import uuid
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Request, Response
from pydantic import BaseModel, Field

from bothy.api.problems import ProblemBody, problem
from bothy.api.projects import attachment
from bothy.api.state import TURNS, Cache, Store, standing
from bothy.core.build.better import BetterPart, better
from bothy.core.build.part import BuildPart, FanPart, SchoolPart
from bothy.core.build.simulated import fan, other_ways
from bothy.core.build.worked import build_part
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.build import ComingDay
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import facts_of
from bothy.core.facts.kinds import Quote
from bothy.core.region import REGIONS
from bothy.core.report import report
from bothy.core.words.said import UnitSystem, reader_of
from bothy.core.words.says import api_says as says
from bothy.forecast.client import AHEAD_DAYS, ask
from bothy.formats import build_files
from bothy.formats.quotes_table import QuotesPart, offered_line, preview, quotes_part
from bothy.formats.tables import MAX_CHARS
from bothy.jobs.bounded import BOUNDED
from bothy.supplier.client import ask as ask_supplier
from bothy.supplier.standin import MOST_LINES, Enquiry, WantedLine

router = APIRouter(prefix="/api/variants", tags=["build"])
BETTER_S = 20.0
"""How long an order that ends sooner is searched for."""
FAN_S = 40.0
"""What a simulation may take before it is ended."""
Day = Annotated[str, Query(min_length=10, max_length=10, description="the day that is asked for, like 2027-03-14")]


def day_asked(text: str) -> dt.date:
    """A day in an address. Raises :class:`BadInput` where it is none."""
    try:
        day = dt.date.fromisoformat(text)
    except ValueError:
        raise BadInput("today", says("not-write-like", text=text)) from None
    if not 2000 <= day.year <= 2100:
        raise BadInput("today", says("must-lie-in-years"))
    return day


def _made(variant_id: uuid.UUID, today: str, store: Store, reports: Cache, revision: int | None = None) -> tuple[BuildPart, Design, str]:
    day = day_asked(today)
    head, kept = standing(store, reports, variant_id, revision)
    facts = facts_of(head.evidence)
    with TURNS:
        return build_part(kept.design, kept.report, facts, day), kept.design, head.project_name


@router.get("/{variant_id}/build", operation_id="getBuild", response_model=BuildPart, responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def get_build(variant_id: uuid.UUID, today: Day, store: Store, reports: Cache, revision: int | None = None) -> Any:
    """All of Build on a day."""
    return _made(variant_id, today, store, reports, revision)[0]


def _fan(design: Design, facts: Facts, today: dt.date) -> FanPart:
    return fan(design, report(design), facts, today)


@router.get("/{variant_id}/build/fan", operation_id="getFinish", response_model=FanPart, responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def get_finish(variant_id: uuid.UUID, today: Day, store: Store, reports: Cache) -> Any:
    """The finish by simulation with people; takes some seconds and can be let go of."""
    day = day_asked(today)
    head, kept = standing(store, reports, variant_id)
    return BOUNDED.run("sum", _fan, kept.design, facts_of(head.evidence), day, most_s=FAN_S)


def _others(design: Design, facts: Facts, today: dt.date) -> list[SchoolPart]:
    return other_ways(design, report(design), facts, today)


@router.get(
    "/{variant_id}/build/schools",
    operation_id="getSchools",
    response_model=list[SchoolPart],
    responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}},
)
def get_schools(variant_id: uuid.UUID, today: Day, store: Store, reports: Cache) -> Any:
    """The other school of each setting of the build beside the chosen one; can be let go of."""
    day = day_asked(today)
    head, kept = standing(store, reports, variant_id)
    return BOUNDED.run("sum", _others, kept.design, facts_of(head.evidence), day, most_s=FAN_S)


def _better(design: Design, facts: Facts, today: dt.date) -> BetterPart:
    until = time.monotonic() + BETTER_S
    return better(design, report(design), facts, today, going=lambda: time.monotonic() < until)


@router.get(
    "/{variant_id}/build/better", operation_id="getBetter", response_model=BetterPart, responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}}
)
def get_better(variant_id: uuid.UUID, today: Day, store: Store, reports: Cache) -> Any:
    """A search for an order of the tasks that ends sooner, with the bound; takes up to twenty seconds and can be let go of."""
    day = day_asked(today)
    head, kept = standing(store, reports, variant_id)
    return BOUNDED.run("sum", _better, kept.design, facts_of(head.evidence), day, most_s=FAN_S)


class AheadPart(BaseModel):
    """The days ahead as a forecast service on this machine has them, and who says so."""

    source: str
    days: list[ComingDay]


@router.get(
    "/{variant_id}/build/forecast",
    operation_id="getAhead",
    response_model=AheadPart,
    responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}, 503: {"model": ProblemBody}},
)
def get_ahead(variant_id: uuid.UUID, today: Day, request: Request, store: Store, reports: Cache) -> Any:
    """The forecast of the coming days where it is built. Nothing is kept: the page takes it over as an edit."""
    day = day_asked(today)
    url = request.app.state.forecast_url
    _, kept = standing(store, reports, variant_id)
    c = Context(kept.design).climate
    found = ask(url, c.lat_deg, c.lon_deg, day, AHEAD_DAYS) if url else None
    if found is None or not found.days:
        return problem(503, "forecast", says("no-forecast-service-answers"))
    days = [ComingDay(day=x.date.isoformat(), low_c=min(x.tmin_c, x.tmax_c), high_c=x.tmax_c, rain_frac=x.rain_frac or 0.0) for x in found.days[:16]]
    ordered = sorted({x.day: x for x in days}.values(), key=lambda x: x.day)
    return AheadPart(source=found.source, days=ordered)


class QuotesText(BaseModel):
    """The text of a table of quotes, and whose it is where no column says so."""

    text: str = Field(max_length=MAX_CHARS + 1)
    supplier: str = Field("Table of quotes", min_length=1, max_length=120)


@router.get(
    "/{variant_id}/build/quotes",
    operation_id="askQuotes",
    response_model=QuotesPart,
    responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}, 503: {"model": ProblemBody}},
)
def ask_quotes(variant_id: uuid.UUID, today: Day, request: Request, store: Store, reports: Cache) -> Any:
    """Quotes of a supplier's service for all that is still to be bought. Nothing is kept: the page takes them over as an entry."""
    made, design, _ = _made(variant_id, today, store, reports)
    open_lines = [x for x in made.shopping if x.status == "planned"]
    if not open_lines:
        return quotes_part("", [], made.shopping)
    enquiry = Enquiry(
        currency=REGIONS[design.region].currency,
        on=day_asked(today),
        lines=[
            WantedLine(key=x.key, name=x.name[:200], amount=max(x.amount, 0.01), unit=x.unit, packs=x.packs[:200], service=x.service, guide=x.guide)
            for x in open_lines[:MOST_LINES]
        ],
    )
    offer = ask_supplier(request.app.state.supplier_url, enquiry) if request.app.state.supplier_url else None
    if offer is None:
        return problem(503, "quotes", says("no-suppliers-service-answers"))
    asked_for = {x.key: x for x in open_lines}
    lines = [
        offered_line(
            n,
            asked_for[x.key],
            Quote(
                id=x.key,
                supplier=offer.supplier,
                price=x.price,
                lead_days=x.lead_days,
                in_stock=x.in_stock,
                pack=x.pack,
                on=today,
                until=offer.until.isoformat(),
            ),
        )
        for n, x in enumerate(offer.lines, 1)
    ]
    return quotes_part(offer.supplier, lines, made.shopping)


@router.post("/{variant_id}/build/quotes", operation_id="previewQuotes", responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def preview_quotes(variant_id: uuid.UUID, body: QuotesText, today: Day, store: Store, reports: Cache) -> QuotesPart:
    """What a table of quotes means for the shopping list, line by line."""
    if not body.text.strip():
        raise BadInput("text", says("empty-paste-table-or"))
    made, _, _ = _made(variant_id, today, store, reports)
    read: QuotesPart = BOUNDED.run("file", preview, body.text, made.shopping, day_asked(today), body.supplier)
    return read


@router.get("/{variant_id}/build/file/{kind}", operation_id="buildFile", response_class=Response, responses={422: {"model": ProblemBody}})
def build_file(
    variant_id: uuid.UUID,
    kind: Literal["shopping.csv", "shopping.xlsx", "plan.csv", "plan.ics"],
    today: Day,
    store: Store,
    reports: Cache,
    units: Annotated[UnitSystem | None, Query(description="those of the region when absent")] = None,
) -> Response:
    """The shopping list or the plan as a file, in the reader's units."""
    made, design, name = _made(variant_id, today, store, reports)
    data, media = build_files.WRITERS[kind](made, name, reader_of(design, units))
    return Response(data, media_type=media, headers=attachment(f"{name} {kind}"))
