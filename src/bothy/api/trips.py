"""Trips: the quick run of a revision at once, and the thorough one as a job."""

from __future__ import annotations

import datetime as dt
import uuid
from functools import partial
from typing import Annotated, Any

from fastapi import APIRouter, Depends, Request, Response
from pydantic import BaseModel

from bothy.api.problems import ProblemBody
from bothy.api.state import Cache, Store, standing
from bothy.api.variants import answer
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import Design
from bothy.core.places import legs_of
from bothy.core.trips.itinerary import day_count
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.run import TripRun
from bothy.core.words.says import api_says as says
from bothy.forecast.client import ask, forecasts_for
from bothy.jobs.runner import Between, Runner
from bothy.store.jobs import OPEN, JobRow, Jobs

router = APIRouter(prefix="/api", tags=["trips"])
QUICK_DRAW_DAYS = 5000
"""Draws times days of a quick run: it answers while a field is still looked at."""
KIND = "trip"


def _jobs(request: Request) -> Jobs:
    return request.app.state.jobs  # type: ignore[no-any-return]


def _runner(request: Request) -> Runner:
    return request.app.state.runner  # type: ignore[no-any-return]


JobStore = Annotated[Jobs, Depends(_jobs)]
JobRunner = Annotated[Runner, Depends(_runner)]


class JobOut(BaseModel):
    """A job: waiting (with so many ``ahead``), running, done, failed or cancelled; how much of its whole is done, and on which revision."""

    id: uuid.UUID
    kind: str
    state: str
    revision: int
    done: int
    whole: int
    error: str | None
    created_at: dt.datetime
    ahead: int


class JobStarted(BaseModel):
    id: uuid.UUID


class Thorough(BaseModel):
    """The newest thorough run: its job, and the result with the revision that made it, when one is done."""

    job: JobOut | None
    revision: int | None
    run: TripRun | None


def job_out(j: JobRow) -> JobOut:
    """A job as it is sent."""
    return JobOut(id=j.id, kind=j.kind, state=j.state, revision=j.revision, done=j.done, whole=j.whole, error=j.error, created_at=j.created_at, ahead=j.ahead)


def kept_body(jobs: Jobs, variant_id: uuid.UUID, kind: str) -> dict[str, object]:
    """The newest job of a kind, and result and revision of the newest that is done, as they are sent."""
    job, found = jobs.latest(variant_id, kind), jobs.result(variant_id, kind)
    return {"job": job_out(job).model_dump(mode="json") if job else None, "revision": found[0] if found else None, "run": found[1] if found else None}


def refuse_second(jobs: Jobs, variant_id: uuid.UUID, kind: str) -> None:
    """Raise when a job of that kind runs already for a variant."""
    now = jobs.latest(variant_id, kind)
    if now is not None and now.state in OPEN:
        raise BadInput("job", says("one-runs-already-wait"))


def with_draws(design: Design, draws: int) -> Design:
    """The same design through another number of weathers."""
    return design.model_copy(update={"trips": design.trips.model_copy(update={"draw_count": draws})})


def quick_draws(design: Design) -> int:
    """How many weathers a quick run takes: as many as the design asks for, fewer on long trips."""
    days = max(1, day_count(design))
    return max(5, min(design.trips.draw_count, QUICK_DRAW_DAYS // days))


@router.get("/variants/{variant_id}/trip", operation_id="getTrip", response_model=TripRun, responses={422: {"model": ProblemBody}})
def get_trip(variant_id: uuid.UUID, revision: int, request: Request, store: Store, reports: Cache) -> Response:
    """The trip of a revision through a few weathers, at once. The first draws are those of the thorough run, but for days that a forecast covers."""
    design = standing(store, reports, variant_id, revision).head.design
    ctx = Context(with_draws(design, quick_draws(design)))
    url = request.app.state.forecast_url
    near = forecasts_for(ctx, dt.date.today(), partial(ask, url)) if design.trips.forecast and url else None
    return answer(run_trip(ctx, workers=2, forecasts=near).model_dump(mode="json"), revision)


@router.post(
    "/variants/{variant_id}/trip/jobs", operation_id="startTrip", status_code=202, responses={409: {"model": ProblemBody}, 422: {"model": ProblemBody}}
)
def start_trip(variant_id: uuid.UUID, store: Store, reports: Cache, jobs: JobStore, runner: JobRunner) -> JobStarted:
    """Run the newest revision through all the weathers it asks for, beside everything else."""
    h = standing(store, reports, variant_id).head
    refuse_second(jobs, variant_id, KIND)
    if not legs_of(h.design):
        raise BadInput("legs", says("has-no-leg-yet"))

    def work(between: Between) -> Any:
        return run_trip(Context(h.design), workers=2, between=between).model_dump(mode="json")

    return JobStarted(id=runner.start(variant_id, h.revision, KIND, h.design.trips.draw_count, work))


@router.get("/variants/{variant_id}/trip/thorough", operation_id="getThoroughTrip", response_model=Thorough)
def get_thorough(variant_id: uuid.UUID, store: Store, jobs: JobStore) -> Response:
    """The newest thorough run of a variant and what came of the newest that is done."""
    head = store.head(variant_id)
    return answer(kept_body(jobs, variant_id, KIND), head.revision)


@router.get("/jobs/{job_id}", operation_id="getJob", responses={404: {"model": ProblemBody}})
def get_job(job_id: uuid.UUID, jobs: JobStore) -> JobOut:
    return job_out(jobs.get(job_id))


@router.post("/jobs/{job_id}/cancel", operation_id="cancelJob", response_model=JobOut, responses={404: {"model": ProblemBody}})
def cancel_job(job_id: uuid.UUID, jobs: JobStore) -> JobOut:
    """Ask a job to stop; what it has not finished is dropped."""
    jobs.cancel(job_id)
    return job_out(jobs.get(job_id))
