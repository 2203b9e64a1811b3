"""Guards in front of every request: own host names only, changes only from the own origin, limited bodies, a token where one is asked for, one log
line each."""

from __future__ import annotations

import hmac
import logging
import re
import time
from contextlib import suppress
from http.cookies import CookieError, SimpleCookie
from urllib.parse import parse_qsl, urlencode, urlsplit

import structlog
from starlette.datastructures import Headers, MutableHeaders
from starlette.responses import RedirectResponse, Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from bothy.api.problems import problem
from bothy.core.words.says import api_says as says

SAFE = {"GET", "HEAD", "OPTIONS"}
CSP = (
    "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; worker-src 'self' blob:; "
    "frame-ancestors 'none'; base-uri 'none'; form-action 'self'"
)
_HOST = re.compile(r"(?P<name>[a-z0-9](?:[a-z0-9.-]{0,252})|\[[0-9a-f:.]{2,45}\])(?::(?P<port>[0-9]{1,5}))?", re.I)
_LENGTH = re.compile(r"[0-9]{1,15}")
JSON_KINDS = ("application/json", "application/json-patch+json")
ARCHIVE, MOST_ARCHIVE = "/api/projects/archive", 1_000_000_000
COOKIE, OPEN = "bothy_token", "/api/health"
"""Cookie that keeps the token, and the one address that answers without it."""
log = structlog.get_logger("bothy.requests")


def host_name(host: str) -> str | None:
    """The name of a Host header in small letters, without its port; None where it is not one name and at most one port."""
    m = _HOST.fullmatch(host)
    return m["name"].lower() if m and int(m["port"] or 0) <= 65535 else None


def _same_origin(origin: str, host: str) -> bool:
    try:
        said = urlsplit(origin)
    except ValueError:
        return False
    return said.scheme in ("http", "https") and said.netloc.lower() == host.lower()


class Guard:
    """ASGI middleware; see the module's text. ``hosts`` are names without port."""

    def __init__(self, app: ASGIApp, hosts: set[str], max_body_bytes: int, log_requests: bool, token: str = "") -> None:
        self.app = app
        self.hosts = hosts
        self.max_body = max_body_bytes
        self.log_requests = log_requests
        self.token = token

    def _most(self, scope: Scope) -> int:
        """The most bytes of a body; an archive with its photographs is read piece by piece, and may be larger."""
        return max(self.max_body, MOST_ARCHIVE) if scope["path"] == ARCHIVE else self.max_body

    def _refusal(self, scope: Scope, headers: Headers) -> Response | None:
        host = headers.get("host", "")
        if host_name(host) not in self.hosts:
            return problem(421, "host", says("this-server-answers-only", hosts=", ".join(sorted(self.hosts))))
        if scope["method"] not in SAFE:
            origin = headers.get("origin")
            if origin is not None and not _same_origin(origin, host):
                return problem(403, "origin", says("changes-taken-only-from"))
            if headers.get("sec-fetch-site", "same-origin") not in ("same-origin", "none"):
                return problem(403, "origin", says("changes-taken-only-from"))
            if origin is None and not headers.get("content-type", "").startswith(JSON_KINDS) and headers.get("content-length", "0") != "0":
                return problem(415, "content-type", says("send-json"))
        length = headers.get("content-length", "0")
        if not _LENGTH.fullmatch(length):
            return problem(400, "content-length", says("must-be-number"))
        most = self._most(scope)
        if int(length) > most:
            return problem(413, "body", says("bytes-at-most", length=f"{int(length):,}", most=f"{most:,}"))
        return self._token_refusal(scope, headers) if self.token else None

    def _token_refusal(self, scope: Scope, headers: Headers) -> Response | None:
        """Who comes by the printed address gets the token as a cookie; who has neither is turned away."""
        if scope["path"] == OPEN:
            return None
        cookie: SimpleCookie = SimpleCookie()
        with suppress(CookieError):
            cookie.load(headers.get("cookie", ""))
        kept = cookie[COOKIE].value if COOKIE in cookie else ""
        if hmac.compare_digest(kept.encode(), self.token.encode()):
            return None
        asked = parse_qsl(scope["query_string"].decode("latin-1"))
        said = dict(asked).get("token", "")
        if scope["method"] == "GET" and hmac.compare_digest(said.encode("utf-8", "replace"), self.token.encode()):
            rest = urlencode([(k, v) for k, v in asked if k != "token"])
            # the path only, so that no address can send the browser elsewhere
            answer = RedirectResponse("/" + scope["path"].lstrip("/\\") + (f"?{rest}" if rest else ""), 303)
            answer.set_cookie(COOKIE, self.token, max_age=400 * 86_400, httponly=True, samesite="strict")
            return answer
        return problem(401, "token", says("this-bothy-asks-for"))

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        start = time.perf_counter()
        status = 500
        taken = 0
        started = False
        most = self._most(scope)

        async def limited() -> Message:
            nonlocal taken
            message = await receive()
            taken += len(message.get("body", b""))
            if taken > most:
                raise TooLarge
            return message

        async def sending(message: Message) -> None:
            nonlocal status, started
            if taken > most and not started:
                return  # the application's own answer to a cut-off body; the one below says why
            if message["type"] == "http.response.start":
                started = True
                status = message["status"]
                headers = MutableHeaders(scope=message)
                headers["content-security-policy"] = CSP
                headers["x-content-type-options"] = "nosniff"
                headers["referrer-policy"] = "no-referrer"
                headers["cross-origin-resource-policy"] = "same-origin"
                if scope["path"].startswith("/assets/") and status == 200:
                    headers["cache-control"] = "public, max-age=31536000, immutable"
                else:
                    headers.setdefault("cache-control", "no-cache")
            await send(message)

        try:
            refusal = self._refusal(scope, Headers(scope=scope))
            if refusal is not None:
                await refusal(scope, receive, sending)
                return
            try:
                await self.app(scope, limited, sending)
            except TooLarge:
                pass
            except Exception:
                logging.getLogger("bothy").exception("%s %s failed", scope["method"], scope["path"])
                if started:
                    raise
                await problem(500, "server", says("bothy-stumbled-over-this"))(scope, receive, sending)
            if taken > self.max_body and not started:
                taken = 0
                await problem(413, "body", says("larger-than-bytes", most=f"{most:,}"))(scope, receive, sending)
        finally:
            if self.log_requests:
                log.info("request", method=scope["method"], path=scope["path"], status=status, ms=round(1000 * (time.perf_counter() - start), 1))


class TooLarge(Exception):
    """The body grew over the limit while it came in."""
