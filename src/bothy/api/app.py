"""The application: routers, guards, errors, and the built front end."""

from __future__ import annotations

import logging
import shutil
import sys
import threading
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from logging.handlers import RotatingFileHandler
from pathlib import Path
from tempfile import TemporaryDirectory

import structlog
from anyio import CapacityLimiter, to_thread
from fastapi import FastAPI
from fastapi.responses import JSONResponse
from sqlalchemy import text

from bothy import __version__
from bothy.api import book, bring, build, compare, exports, fit, live, photos, problems, projects, proving, reference, roof, sizing, trips, variants, water
from bothy.api.guard import Guard
from bothy.api.state import Reports
from bothy.core.words.catalogues import language
from bothy.core.words.says import api_says as says
from bothy.jobs.runner import Runner
from bothy.jobs.sweep import OnDask
from bothy.settings import Settings
from bothy.store.engine import make_engine
from bothy.store.jobs import Jobs
from bothy.store.measured import MeasuredLogs
from bothy.store.photos import Photos
from bothy.store.projects import Projects
from bothy.store.telemetry import Telemetry

REQUESTS_AT_ONCE = 24
"""Requests that are worked on at once; most of them wait for the database or a bounded process."""
LOG_BYTES, LOGS_KEPT = 5_000_000, 3


def _log_lines(file: str) -> None:
    handler = RotatingFileHandler(file, maxBytes=LOG_BYTES, backupCount=LOGS_KEPT, encoding="utf-8") if file else logging.StreamHandler(sys.stdout)
    handler.setFormatter(logging.Formatter("%(message)s"))
    lines = logging.getLogger("bothy.requests")
    lines.handlers, lines.propagate = [handler], False
    lines.setLevel(logging.INFO)
    structlog.configure(
        processors=[structlog.processors.add_log_level, structlog.processors.TimeStamper(fmt="iso", utc=True), structlog.processors.JSONRenderer()],
        wrapper_class=structlog.make_filtering_bound_logger(logging.INFO),
        logger_factory=structlog.stdlib.LoggerFactory(),
    )


def _spoken(front: Path, app: FastAPI) -> Path:
    """The built front end in the server's language, which a page reads in its first line. Where that isn't English it is a copy, as long-lived as ``app``."""
    if language() == "en":
        return front
    app.state.spoken = TemporaryDirectory(prefix="bothy-front-")
    copy = Path(app.state.spoken.name)
    shutil.copytree(front, copy, dirs_exist_ok=True)
    page = copy / "index.html"
    page.write_text(page.read_text(encoding="utf-8").replace('<html lang="en">', f'<html lang="{language()}">', 1), encoding="utf-8")
    return copy


def create_app(settings: Settings | None = None) -> FastAPI:
    """The FastAPI application on the database of the settings."""
    settings = settings or Settings()
    _log_lines(settings.log_file)
    engine = make_engine(settings.database_url)

    @asynccontextmanager
    async def life(app: FastAPI) -> AsyncIterator[None]:
        to_thread.current_default_thread_limiter().total_tokens = REQUESTS_AT_ONCE
        app.state.runner = Runner(app.state.jobs)
        app.state.sweep = OnDask(settings.dask) if settings.dask else None
        threading.Thread(target=app.state.lives.wake, args=(app.state.projects, app.state.reports), name="devices", daemon=True).start()
        yield
        app.state.runner.close()
        app.state.lives.close()
        if app.state.sweep is not None:
            app.state.sweep.close()
        engine.dispose()

    app = FastAPI(title=says("bothy"), version=__version__, docs_url=None, redoc_url=None, openapi_url="/api/openapi.json", lifespan=life)
    app.state.projects = Projects(engine)
    app.state.reports = Reports()
    app.state.forecast_url = settings.forecast_url
    app.state.supplier_url = settings.supplier_url
    app.state.method = settings.method
    app.state.backup_note = settings.backup_note
    app.state.jobs = Jobs(engine)
    app.state.logs = MeasuredLogs(engine)
    app.state.photos = Photos(engine)
    app.state.lives = live.Lives(settings.devices_port, Telemetry(engine))
    app.state.fonts = Path(settings.fonts).resolve().as_uri()
    problems.install(app)
    app.include_router(projects.router)
    app.include_router(live.router)
    app.include_router(proving.router)  # before the variants, whose /{direction} takes any word
    app.include_router(variants.router)
    app.include_router(bring.router)  # before the exports, whose address ends in any kind
    app.include_router(exports.router)
    app.include_router(trips.router)
    app.include_router(water.router)
    app.include_router(fit.router)
    app.include_router(fit.gap_router)
    app.include_router(roof.router)
    app.include_router(build.router)
    app.include_router(book.router)
    app.include_router(compare.router)
    app.include_router(photos.router)
    app.include_router(roof.parts_router)
    app.include_router(sizing.router)
    app.include_router(reference.router)

    asks = CapacityLimiter(4)

    def asked() -> None:
        with engine.connect() as connection:
            connection.execute(text("select 1"))

    @app.get("/api/health", tags=["health"], operation_id="health")
    async def health() -> dict[str, str]:
        """Whether server and database answer; on threads of its own, so that it waits for no sum."""
        await to_thread.run_sync(asked, limiter=asks)
        return {"status": "ok", "version": __version__}

    @app.get("/api/{rest:path}", include_in_schema=False)
    def nowhere(rest: str) -> JSONResponse:
        return problems.problem(404, "path", says("api-not-part-api", rest=rest[:80]))

    front = Path(settings.front_end)
    if (front / "index.html").exists():
        app.frontend("/", directory=str(_spoken(front, app)), fallback="index.html", check_dir=False)
    app.add_middleware(
        Guard,
        hosts={h.strip().lower() for h in settings.hosts.split(",") if h.strip()},
        max_body_bytes=settings.max_body_bytes,
        log_requests=settings.log_requests,
        token=settings.token,
    )
    return app
