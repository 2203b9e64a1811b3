"""The search for the parts as a job, and supplies side by side."""

from __future__ import annotations

import uuid
from typing import Any

from fastapi import APIRouter, Request, Response
from pydantic import BaseModel

from bothy.api.problems import ProblemBody
from bothy.api.state import Cache, Store, standing
from bothy.api.trips import JobOut, JobRunner, JobStarted, JobStore, kept_body, quick_draws, refuse_second
from bothy.api.variants import answer
from bothy.core.places import legs_of
from bothy.core.sizing.compare import SideBySide, side_by_side
from bothy.core.sizing.search import WHOLE, SizingRun, search
from bothy.core.trips.itinerary import NoTrip
from bothy.core.words.says import api_says as says
from bothy.jobs.runner import Between

router = APIRouter(prefix="/api/variants", tags=["sizing"])
KIND = "sizing"


class Searched(BaseModel):
    """The newest search: its job, and what the newest that is done found, with the revision that it was made on."""

    job: JobOut | None
    revision: int | None
    run: SizingRun | None


@router.post("/{variant_id}/sizing/jobs", operation_id="startSizing", status_code=202, responses={409: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def start_sizing(variant_id: uuid.UUID, request: Request, store: Store, reports: Cache, jobs: JobStore, runner: JobRunner) -> JobStarted:
    """Search the parts for the newest revision's trip."""
    h = standing(store, reports, variant_id).head
    refuse_second(jobs, variant_id, KIND)
    if not legs_of(h.design):
        raise NoTrip("legs", says("has-no-leg-yet"))

    def work(between: Between) -> Any:
        return search(h.design, between, sweep=request.app.state.sweep).model_dump(mode="json")

    return JobStarted(id=runner.start(variant_id, h.revision, KIND, WHOLE, work))


@router.get("/{variant_id}/sizing", operation_id="getSizing", response_model=Searched)
def get_sizing(variant_id: uuid.UUID, store: Store, jobs: JobStore) -> Response:
    """The newest search of a variant."""
    head = store.head(variant_id)
    return answer(kept_body(jobs, variant_id, KIND), head.revision)


@router.get("/{variant_id}/beside", operation_id="getSideBySide", response_model=SideBySide, responses={422: {"model": ProblemBody}})
def get_side_by_side(variant_id: uuid.UUID, revision: int, store: Store, reports: Cache) -> Response:
    """The supply of a revision, its schools, and those of the project's other variants, through the same weathers."""
    design = standing(store, reports, variant_id, revision).head.design
    return answer(side_by_side(design, store.siblings(variant_id), quick_draws(design)).model_dump(mode="json"), revision)
