"""Errors as the API gives them: one body for all, with words a person can act on."""

from __future__ import annotations

import logging
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from sqlalchemy.exc import DBAPIError, OperationalError

from bothy.core.contract import BadInput
from bothy.core.sound import NotComputed
from bothy.core.units import NotUnderstood
from bothy.store.projects import Missing, Nothing, Stale


class Problem(BaseModel):
    """What went wrong: the offending key (or kind of trouble), and a message that says what would be right."""

    key: str
    message: str


class ProblemBody(BaseModel):
    """Body of every error response."""

    error: Problem


def problem(status: int, key: str, message: str, **more: Any) -> JSONResponse:
    """An error response."""
    return JSONResponse({"error": {"key": key, "message": message}, **more}, status)


def install(app: FastAPI) -> None:
    """Map the errors of core and store to responses."""

    @app.exception_handler(BadInput)
    def _bad(_: Request, exc: BadInput) -> JSONResponse:
        if isinstance(exc, NotComputed):
            logging.getLogger("bothy").error("a design can't be computed", exc_info=exc.__cause__)
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

    @app.exception_handler(Stale)
    def _stale(_: Request, exc: Stale) -> JSONResponse:
        return problem(412, "revision", str(exc), head=exc.head)

    @app.exception_handler(RequestValidationError)
    def _invalid(_: Request, exc: RequestValidationError) -> JSONResponse:
        first = exc.errors()[0]
        parts = [str(p) for p in first["loc"] if p not in ("body", "query", "path", "header")]
        return problem(422, parts[-1] if parts else "body", f"{'.'.join(parts) or 'body'}: {first['msg']}")

    @app.exception_handler(OperationalError)
    @app.exception_handler(DBAPIError)
    def _database(_: Request, exc: DBAPIError) -> JSONResponse:
        return problem(503, "database", "The database does not answer. Nothing was changed; what you typed is kept and sent again when it is back.")
