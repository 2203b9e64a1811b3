"""What people bring to a trip: itineraries, weather files, logs. Read first, taken over by an edit; only a log is kept beside the design."""

from __future__ import annotations

import datetime as dt
import uuid

from fastapi import APIRouter, Response
from pydantic import BaseModel, Field

from bothy.api.live import Live
from bothy.api.problems import ProblemBody
from bothy.api.projects import Title, attachment
from bothy.api.state import Cache, LogStore, Store, standing
from bothy.api.trips import with_draws
from bothy.api.variants import answer
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.live.kept import log_of
from bothy.core.trips.measured import MeasuredBeside, beside
from bothy.core.trips.of_design import run_trip
from bothy.core.words.days import in_words
from bothy.core.words.says import api_says as says
from bothy.formats import itinerary, log_files, weather_files
from bothy.jobs.bounded import BOUNDED

router = APIRouter(prefix="/api", tags=["bring"])
OVERLAY_DRAWS = 30


class ItineraryText(BaseModel):
    """The text of an itinerary; the mean speed is for tracks without times."""

    text: str = Field(max_length=itinerary.MOST_CHARS + 1)
    km_h: float = Field(itinerary.ROAD_KM_H, ge=5, le=110)


class NamedLog(log_files.LogText):
    name: Title = "log"


class Measured(BaseModel):
    """The log that is kept, and what it says beside the run; nothing where there is none."""

    name: str | None
    beside: MeasuredBeside | None
    problem: str | None


@router.post("/variants/{variant_id}/itinerary/preview", operation_id="previewItinerary", responses={422: {"model": ProblemBody}})
def preview_itinerary(variant_id: uuid.UUID, body: ItineraryText, store: Store, reports: Cache) -> itinerary.ItineraryPreview:
    """What a table of days or a GPX track means for this variant."""
    design = standing(store, reports, variant_id).head.design
    read: itinerary.ItineraryPreview = BOUNDED.run("file", itinerary.preview, body.text, design, body.km_h)
    return read


@router.get("/variants/{variant_id}/export/itinerary.csv", operation_id="exportItinerary", response_class=Response)
def export_itinerary(variant_id: uuid.UUID, store: Store, reports: Cache) -> Response:
    """The itinerary as a table that can be brought in again."""
    head = standing(store, reports, variant_id).head
    return Response(itinerary.write_table(head.design), media_type="text/csv; charset=utf-8", headers=attachment(f"{head.project_name} itinerary.csv"))


@router.post("/weather/read", operation_id="readWeather", responses={422: {"model": ProblemBody}})
def read_weather(body: weather_files.WeatherText) -> weather_files.WeatherRead:
    """What a weather file says, as a place that can be taken into a design."""
    read: weather_files.WeatherRead = BOUNDED.run("file", weather_files.read, body)
    return read


@router.post("/log/read", operation_id="readLog", responses={422: {"model": ProblemBody}})
def read_log(body: log_files.LogText) -> log_files.LogRead:
    """What was understood of a log."""
    read: log_files.LogRead = BOUNDED.run("file", log_files.understand, body)[0]
    return read


@router.put("/variants/{variant_id}/measured", operation_id="putMeasured", responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def put_measured(variant_id: uuid.UUID, body: NamedLog, logs: LogStore) -> log_files.LogRead:
    """Keep a log beside a variant, in place of the one before."""
    read, log = BOUNDED.run("file", log_files.understand, log_files.LogText(text=body.text, columns=body.columns, positive=body.positive))
    if log is None:
        raise BadInput("columns", says("not-all-told", asks="; ".join(read.asks)))
    logs.put(variant_id, body.name, log)
    kept: log_files.LogRead = read
    return kept


@router.put("/variants/{variant_id}/measured/devices", operation_id="measuredFromDevices", responses={404: {"model": ProblemBody}, 422: {"model": ProblemBody}})
def measured_from_devices(variant_id: uuid.UUID, store: Store, reports: Cache, logs: LogStore, lives: Live) -> Measured:
    """Make the log of what the devices of this vehicle said, in place of the one before; what is simulated stays marked and is never taken over."""
    design = standing(store, reports, variant_id).head.design
    lives.keep()
    log = log_of(lives.telemetry.get(variant_id), Context(design).climate.utc_offset_h)
    last = log.start + dt.timedelta(hours=log.load_w.size)
    name = says("log-of-devices", simulated=log.simulated, start=in_words(log.start.date()), last=in_words(last.date(), year=True))
    logs.put(variant_id, name, log)
    return Measured(name=name, beside=None, problem=None)


@router.delete("/variants/{variant_id}/measured", operation_id="dropMeasured", status_code=204)
def drop_measured(variant_id: uuid.UUID, logs: LogStore) -> None:
    logs.drop(variant_id)


@router.get("/variants/{variant_id}/measured", operation_id="getMeasured", response_model=Measured)
def get_measured(variant_id: uuid.UUID, revision: int, store: Store, reports: Cache, logs: LogStore) -> Response:
    """The kept log beside the run of a revision."""
    found = logs.get(variant_id)
    if found is None:
        return answer({"name": None, "beside": None, "problem": None}, revision)
    name, log = found
    ctx = Context(with_draws(standing(store, reports, variant_id, revision).head.design, OVERLAY_DRAWS))
    try:
        out = beside(ctx, run_trip(ctx), log)
    except BadInput as exc:
        return answer({"name": name, "beside": None, "problem": str(exc)}, revision)
    return answer({"name": name, "beside": out.model_dump(mode="json"), "problem": None}, revision)
