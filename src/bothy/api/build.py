"""Build on a day: tasks, plan, gates, shopping, log; the finish as a fan; lists and calendar as files."""

from __future__ import annotations

import datetime as dt
import uuid
from typing import Annotated, Any, Literal

from fastapi import APIRouter, Query, Response

from bothy.api.problems import ProblemBody
from bothy.api.projects import attachment
from bothy.api.state import TURNS, Cache, Store, standing
from bothy.core.build.part import BuildPart, FanPart
from bothy.core.build.worked import build_part, fan
from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import facts_of
from bothy.core.report import report
from bothy.formats import build_files
from bothy.jobs.bounded import BOUNDED

router = APIRouter(prefix="/api/variants", tags=["build"])
FAN_S = 40.0
"""What a simulation may take before it is ended."""
Day = Annotated[str, Query(min_length=10, max_length=10, description="the day that is asked for, like 2027-03-14")]


def day_asked(text: str) -> dt.date:
    """A day in an address. Raises :class:`BadInput` where it is none."""
    try:
        day = dt.date.fromisoformat(text)
    except ValueError:
        raise BadInput("today", f"“{text}” is not a day; write it like 2027-03-14") from None
    if not 2000 <= day.year <= 2100:
        raise BadInput("today", "must lie in the years 2000 to 2100")
    return day


def _made(variant_id: uuid.UUID, today: str, store: Store, reports: Cache, revision: int | None = None) -> tuple[BuildPart, str]:
    day = day_asked(today)
    head, kept = standing(store, reports, variant_id, revision)
    facts = facts_of(head.evidence)
    with TURNS:
        return build_part(kept.design, kept.report, facts, day), head.project_name


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


@router.get("/{variant_id}/build/file/{kind}", operation_id="buildFile", response_class=Response, responses={422: {"model": ProblemBody}})
def build_file(
    variant_id: uuid.UUID, kind: Literal["shopping.csv", "shopping.xlsx", "plan.csv", "plan.ics"], today: Day, store: Store, reports: Cache
) -> Response:
    """The shopping list or the plan as a file."""
    made, name = _made(variant_id, today, store, reports)
    data, media = build_files.WRITERS[kind](made, name)
    return Response(data, media_type=media, headers=attachment(f"{name} {kind}"))
