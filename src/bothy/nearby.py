"""Asking a service on this machine: no redirect is followed, no proxy asked, and no answer may be larger or take longer than it says."""

from __future__ import annotations

import http.client
import logging
import time
import urllib.error
import urllib.request

CONNECT_S, WHOLE_S, MOST_BYTES = 1.0, 3.0, 200_000


class _Stays(urllib.request.HTTPRedirectHandler):
    """Follows no redirect: a service on this machine has no reason to send us elsewhere."""

    def redirect_request(self, *_: object) -> None:
        return None


_OPENER = urllib.request.build_opener(_Stays, urllib.request.ProxyHandler({}))


def _all_of(answer: http.client.HTTPResponse, most_bytes: int) -> bytes:
    """The body of an answer. Raises ValueError when it is larger, or takes longer, than it may."""
    until = time.monotonic() + WHOLE_S
    out = bytearray()
    while piece := answer.read1(65_536):
        out += piece
        if len(out) > most_bytes or time.monotonic() > until:
            raise ValueError(f"its answer is larger than {most_bytes:,} bytes or takes longer than {WHOLE_S:g} s")
    return bytes(out)


def asked(url: str, body: bytes | None = None, most_bytes: int = MOST_BYTES) -> bytes | None:
    """What a service answers to a GET, or to a POST of JSON; None when nobody answers, or not as one should."""
    headers = {"content-type": "application/json"} if body is not None else {}
    try:
        with _OPENER.open(urllib.request.Request(url, body, headers), timeout=CONNECT_S) as answer:
            return _all_of(answer, most_bytes)
    except (urllib.error.URLError, http.client.HTTPException, TimeoutError, OSError, ValueError) as exc:
        logging.getLogger("bothy").info("no answer from %s: %s", url.partition("?")[0], exc)
        return None
