"""Live: what the devices of a vehicle say beside what is expected of them."""

from __future__ import annotations

import datetime as dt
import threading
import uuid
from typing import Annotated, Any, cast

import structlog
from fastapi import APIRouter, Depends, Request, Response
from pydantic import BaseModel, ConfigDict, Field
from sqlalchemy.exc import SQLAlchemyError

from bothy.api.problems import ProblemBody
from bothy.api.projects import attachment
from bothy.api.state import Cache, Reports, Store, standing
from bothy.api.trips import with_draws
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.live.scene import Scene, scene_of
from bothy.core.trips.of_design import run_trip
from bothy.core.words.says import api_says as says
from bothy.devices.client import Listener, ask
from bothy.devices.hub import DayPart, Hub, LivePart
from bothy.devices.protocol import BadLine
from bothy.devices.standin import Failure
from bothy.formats import values_csv
from bothy.jobs.bounded import BOUNDED
from bothy.store.projects import Projects
from bothy.store.telemetry import Telemetry

router = APIRouter(prefix="/api/variants", tags=["live"])
ERRORS: dict[int | str, dict[str, Any]] = {404: {"model": ProblemBody}, 422: {"model": ProblemBody}}
DRAWS = 20
log = structlog.get_logger("bothy.live")


class Lives:
    """The hubs of this server, one a variant and revision; each listens only while somebody looks."""

    def __init__(self, port: int, telemetry: Telemetry) -> None:
        self.port, self.telemetry = port, telemetry
        self._lock = threading.Lock()
        self._making: dict[uuid.UUID, threading.Lock] = {}
        self._scenes: dict[tuple[uuid.UUID, int], Scene] = {}
        self._on: dict[uuid.UUID, tuple[int, Listener]] = {}

    def scene(self, store: Projects, reports: Reports, variant: uuid.UUID) -> tuple[Scene, int]:
        """The scene of a variant's newest revision."""
        head, kept = standing(store, reports, variant)
        key = (variant, head.shown)
        with self._lock:
            if key in self._scenes:
                return self._scenes[key], head.shown
            making = self._making.setdefault(variant, threading.Lock())
        with making:  # who asks while it is made waits for it, and doesn't make it again
            with self._lock:
                if key in self._scenes:
                    return self._scenes[key], head.shown
            made: Scene = BOUNDED.run("sum", _scene, kept.design, kept.report.water.days, head.project_name, most_s=60)
            with self._lock:
                if len(self._scenes) > 20:
                    self._scenes.clear()
                self._scenes[key] = made
        return made, head.shown

    def hub(self, store: Projects, reports: Reports, variant: uuid.UUID) -> Hub:
        """The hub of a variant, listening."""
        scene, revision = self.scene(store, reports, variant)
        with self._lock:
            now = self._on.get(variant)
            if now is not None and (now[0] != revision or now[1].over):
                now[1].end()
                now = None
            if now is None:
                hub = Hub(scene, self.port)
                hub.remember(self.telemetry.get(variant, _utc() - dt.timedelta(days=1)))
                hub.always = variant in self.telemetry.listening()
                now = (revision, Listener(hub, self.port, keep=lambda rows: self.telemetry.put(variant, rows)))
                self._on[variant] = now
                now[1].start()
            now[1].asked()
            return now[1].hub

    def always(self, store: Projects, reports: Reports, variant: uuid.UUID, on: bool) -> None:
        """Listen to a variant's devices although nobody looks, or no longer; kept over a restart."""
        self.telemetry.listen(variant, on)
        self.hub(store, reports, variant).always = on

    def wake(self, store: Projects, reports: Reports) -> None:
        """Listen to what is listened to always, after a start. A vehicle whose day can't be worked out waits until somebody looks at it, and so do all while
        the database is away."""
        try:
            wanted = self.telemetry.listening()
        except SQLAlchemyError as exc:
            log.warning("not listening yet", why=type(exc).__name__)
            return
        for variant in wanted:
            try:
                self.hub(store, reports, variant)
            except Exception as exc:
                log.warning("not listening yet", variant=str(variant), why=type(exc).__name__)

    def keep(self) -> None:
        """Keep every whole minute that came in so far."""
        with self._lock:
            on = [listener for _, listener in self._on.values()]
        for listener in on:
            listener.keep()

    def close(self) -> None:
        """Let go of every connection."""
        with self._lock:
            for _, listener in self._on.values():
                listener.end()


def _scene(design: Any, water_days: float | None, name: str) -> Scene:
    ctx = Context(with_draws(design, DRAWS))
    return scene_of(ctx, run_trip(ctx), water_days, name)


def _utc() -> dt.datetime:
    return dt.datetime.now(dt.UTC).replace(tzinfo=None)


def _lives(request: Request) -> Lives:
    return cast(Lives, request.app.state.lives)


Live = Annotated[Lives, Depends(_lives)]


class AlarmSeen(BaseModel):
    model_config = ConfigDict(extra="forbid")
    alarm: str = Field(min_length=1, max_length=80)


class Always(BaseModel):
    model_config = ConfigDict(extra="forbid")
    on: bool


@router.get("/{variant_id}/live/scene", operation_id="getScene", response_model=Scene, responses=ERRORS)
def get_scene(variant_id: uuid.UUID, store: Store, reports: Cache, lives: Live) -> Any:
    """The devices of a variant, and what each should say through the first day of its trip."""
    return lives.scene(store, reports, variant_id)[0]


@router.get("/{variant_id}/live", operation_id="getLive", response_model=LivePart, responses=ERRORS)
def get_live(variant_id: uuid.UUID, store: Store, reports: Cache, lives: Live) -> Any:
    """What the devices say now, with the verdict on each quantity and the alarms."""
    return lives.hub(store, reports, variant_id).part()


@router.put("/{variant_id}/live/always", operation_id="listenAlways", status_code=204, responses=ERRORS)
def listen_always(variant_id: uuid.UUID, body: Always, store: Store, reports: Cache, lives: Live) -> Response:
    """Listen although nobody looks, so that the days are whole; or no longer."""
    lives.always(store, reports, variant_id, body.on)
    return Response(status_code=204)


@router.get("/{variant_id}/live/values.csv", operation_id="exportValues", response_class=Response, responses=ERRORS)
def export_values(variant_id: uuid.UUID, store: Store, reports: Cache, lives: Live) -> Response:
    """All that was kept, a line for each quantity and minute (later hour), as a table."""
    name = standing(store, reports, variant_id).head.project_name
    lives.keep()
    return Response(values_csv.write(lives.telemetry.get(variant_id)), media_type="text/csv; charset=utf-8", headers=attachment(f"{name} values.csv"))


@router.delete("/{variant_id}/live/values", operation_id="dropValues", status_code=204, responses=ERRORS)
def drop_values(variant_id: uuid.UUID, store: Store, reports: Cache, lives: Live) -> Response:
    """Forget what was kept."""
    standing(store, reports, variant_id)
    lives.keep()
    lives.telemetry.drop(variant_id)
    return Response(status_code=204)


@router.get("/{variant_id}/live/day", operation_id="getLiveDay", response_model=list[DayPart], responses=ERRORS)
def get_live_day(variant_id: uuid.UUID, store: Store, reports: Cache, lives: Live) -> Any:
    """What the devices said over the last 24 hours, over what was expected."""
    return lives.hub(store, reports, variant_id).day()


def _asked(port: int, method: str, params: dict[str, Any]) -> Response:
    try:
        ask(port, method, params)
    except BadLine as exc:
        raise BadInput(exc.key, exc.message) from None
    except (OSError, ValueError):
        raise BadInput("devices", says("nobody-answers-on-port", port=port)) from None
    return Response(status_code=204)


@router.post("/{variant_id}/live/failure", operation_id="injectFailure", status_code=204, responses={422: {"model": ProblemBody}})
def inject_failure(variant_id: uuid.UUID, body: Failure, lives: Live) -> Response:
    """Put a failure into a stand-in device, to see what happens."""
    return _asked(lives.port, "inject", body.model_dump())


@router.delete("/{variant_id}/live/failure", operation_id="clearFailures", status_code=204, responses={422: {"model": ProblemBody}})
def clear_failures(variant_id: uuid.UUID, lives: Live) -> Response:
    """Take every failure out again."""
    return _asked(lives.port, "clear", {})


@router.post("/{variant_id}/live/seen", operation_id="seeAlarm", status_code=204, responses=ERRORS)
def see_alarm(variant_id: uuid.UUID, body: AlarmSeen, store: Store, reports: Cache, lives: Live) -> Response:
    """Somebody has seen an alarm."""
    if not lives.hub(store, reports, variant_id).see(body.alarm):
        raise BadInput("alarm", says("isnt-up", alarm=body.alarm))
    return Response(status_code=204)
