"""Guards in front of every request: own host names only, changes only from the own origin, limited bodies, one log line each."""

from __future__ import annotations

import time
from contextlib import suppress
from urllib.parse import urlsplit

import structlog
from starlette.datastructures import Headers, MutableHeaders
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from bothy.api.problems import problem

SAFE = {"GET", "HEAD", "OPTIONS"}
CSP = (
    "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; worker-src 'self' blob:; "
    "frame-ancestors 'none'; base-uri 'none'; form-action 'self'"
)
log = structlog.get_logger("bothy.requests")


def _host_name(host: str) -> str:
    return host.rsplit(":", 1)[0] if not host.endswith("]") and ":" in host else host


class Guard:
    """ASGI middleware; see the module's text. ``hosts`` are names without port."""

    def __init__(self, app: ASGIApp, hosts: set[str], max_body_bytes: int, log_requests: bool) -> None:
        self.app = app
        self.hosts = hosts
        self.max_body = max_body_bytes
        self.log_requests = log_requests

    def _refusal(self, scope: Scope, headers: Headers) -> tuple[int, str, str] | None:
        host = headers.get("host", "")
        if _host_name(host).lower() not in self.hosts:
            return 421, "host", f"this server answers only to {', '.join(sorted(self.hosts))}"
        if scope["method"] not in SAFE:
            origin = headers.get("origin")
            if origin is not None and (origin == "null" or urlsplit(origin).netloc.lower() != host.lower()):
                return 403, "origin", "changes are taken only from Bothy's own pages"
            if headers.get("sec-fetch-site", "same-origin") not in ("same-origin", "none"):
                return 403, "origin", "changes are taken only from Bothy's own pages"
            if (
                origin is None
                and not headers.get("content-type", "").startswith(("application/json", "application/json-patch+json"))
                and headers.get("content-length", "0") != "0"
            ):
                return 415, "content-type", "send JSON"
        try:
            length = int(headers.get("content-length", "0"))
        except ValueError:
            return 400, "content-length", "must be a number"
        if length > self.max_body:
            return 413, "body", f"is {length:,} bytes; at most {self.max_body:,}"
        return None

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        start = time.perf_counter()
        status = 500
        taken = 0
        started = False

        async def limited() -> Message:
            nonlocal taken
            message = await receive()
            taken += len(message.get("body", b""))
            if taken > self.max_body:
                raise TooLarge
            return message

        async def sending(message: Message) -> None:
            nonlocal status, started
            if taken > self.max_body and not started:
                return  # the application's own answer to a cut-off body; the one below says why
            if message["type"] == "http.response.start":
                started = True
                status = message["status"]
                headers = MutableHeaders(scope=message)
                headers["content-security-policy"] = CSP
                headers["x-content-type-options"] = "nosniff"
                headers["referrer-policy"] = "no-referrer"
                headers["cross-origin-resource-policy"] = "same-origin"
                if scope["path"].startswith("/assets/"):
                    headers["cache-control"] = "public, max-age=31536000, immutable"
                else:
                    headers.setdefault("cache-control", "no-cache")
            await send(message)

        refusal = self._refusal(scope, Headers(scope=scope))
        try:
            if refusal is not None:
                await problem(*refusal)(scope, receive, sending)
            else:
                with suppress(TooLarge):
                    await self.app(scope, limited, sending)
                if taken > self.max_body and not started:
                    taken = 0
                    await problem(413, "body", f"is larger than {self.max_body:,} bytes")(scope, receive, sending)
        finally:
            if self.log_requests:
                log.info("request", method=scope["method"], path=scope["path"], status=status, ms=round(1000 * (time.perf_counter() - start), 1))


class TooLarge(Exception):
    """The body grew over the limit while it came in."""
