"""Errors as the API gives them: one body for all, with words a person can act on."""

from __future__ import annotations

import errno
import logging
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from sqlalchemy.exc import DataError, DBAPIError, OperationalError
from starlette.exceptions import HTTPException

from bothy.core.contract import BadInput, in_words, plainly
from bothy.core.plain import as_text
from bothy.core.sound import NotComputed
from bothy.core.units import NotUnderstood
from bothy.core.words.says import api_says as says
from bothy.store.projects import Missing, NotBuilding, Nothing, Stale


class Problem(BaseModel):
    """What went wrong: the offending key (or kind of trouble), and a message that says what would be right; ``plain`` is the same for people, the field by
    its name."""

    key: str
    message: str
    plain: str


class ProblemBody(BaseModel):
    """Body of every error response."""

    error: Problem


def problem(status: int, key: str, message: str, **more: Any) -> JSONResponse:
    """An error response. What is no text in the words (they may repeat what was sent) is left out."""
    error = {"key": as_text(key)[:200], "message": as_text(message)[:2000], "plain": as_text(plainly(key, message))[:2000]}
    return JSONResponse({"error": error, **more}, status)


HTTP_WORDS = {
    400: ("request", says("not-one-that-can")),
    404: ("path", says("nothing-at-this-address")),
    405: ("method", says("not-one-that-this")),
    406: ("accept", says("asks-for-kind-that")),
    413: ("body", says("too-large")),
    415: ("content-type", says("send-json")),
}
"""Key and words for what the framework itself refuses."""
FULL = {3, 28, 1021, 1114, 1030}
"""Numbers by which MariaDB says that it has no room left (1030 with “No space left”)."""


def _disk_is_full(exc: BaseException) -> bool:
    cause = getattr(exc, "orig", None) or exc
    number = cause.args[0] if getattr(cause, "args", None) else None
    return number in FULL and (number != 1030 or "space" in str(cause).lower() or "28" in str(cause))


def install(app: FastAPI) -> None:
    """Map the errors of core and store to responses."""

    @app.exception_handler(BadInput)
    def _bad(_: Request, exc: BadInput) -> JSONResponse:
        if isinstance(exc, NotComputed):
            logging.getLogger("bothy").error(says("design-cant-be-computed"), exc_info=exc.__cause__)
        return problem(422, exc.key, exc.message)

    @app.exception_handler(NotUnderstood)
    def _not(_: Request, exc: NotUnderstood) -> JSONResponse:
        return problem(422, "text", str(exc))

    @app.exception_handler(Missing)
    def _missing(_: Request, exc: Missing) -> JSONResponse:
        return problem(404, "id", str(exc))

    @app.exception_handler(Nothing)
    def _nothing(_: Request, exc: Nothing) -> JSONResponse:
        return problem(409, "history", str(exc))

    @app.exception_handler(NotBuilding)
    def _not_building(_: Request, exc: NotBuilding) -> JSONResponse:
        return problem(409, "building", says("open-or-say-that", exc=exc))

    @app.exception_handler(Stale)
    def _stale(_: Request, exc: Stale) -> JSONResponse:
        return problem(412, "revision", str(exc), head=exc.head)

    @app.exception_handler(RequestValidationError)
    def _invalid(_: Request, exc: RequestValidationError) -> JSONResponse:
        first = exc.errors()[0]
        if first["type"] == "json_invalid":
            return problem(422, "input", says("not-json", first=first.get("ctx", {}).get("error", first["msg"])))
        parts = [str(p) for p in first["loc"] if p not in ("body", "query", "path", "header")]
        return problem(422, parts[-1] if parts else "body", f"{'.'.join(parts) or 'body'}: {in_words(first)}")

    @app.exception_handler(OperationalError)
    @app.exception_handler(DBAPIError)
    def _database(request: Request, exc: DBAPIError) -> JSONResponse:
        if _disk_is_full(exc):
            return problem(507, "disk", says("disk-full-nothing-more"))
        if isinstance(exc, DataError):
            return problem(422, "text", says("holds-something-that-cant"))
        if request.method in ("GET", "HEAD"):
            return problem(503, "database", says("database-does-not-answer"))
        return problem(
            503,
            "database",
            says("database-does-not-answer-and"),
        )

    @app.exception_handler(OSError)
    def _system(_: Request, exc: OSError) -> JSONResponse:
        if exc.errno == errno.ENOSPC:
            return problem(507, "disk", says("disk-full-nothing-more"))
        raise exc

    @app.exception_handler(UnicodeError)
    def _not_text(_: Request, exc: UnicodeError) -> JSONResponse:
        return problem(422, "text", says("holds-characters-that-no"))

    @app.exception_handler(RecursionError)
    def _deep(_: Request, exc: RecursionError) -> JSONResponse:
        return problem(422, "input", says("nested-too-deeply"))

    @app.exception_handler(HTTPException)
    def _http(_: Request, exc: HTTPException) -> JSONResponse:
        key, words = HTTP_WORDS.get(exc.status_code, ("request", str(exc.detail)))
        return problem(exc.status_code, key, words)
