"""PDF from HTML. Run as a program of its own (``python -m bothy.formats.pdf < page.html > page.pdf``), so that no request waits for it."""

from __future__ import annotations

import sys


def render(html: str) -> bytes:
    """The PDF of an HTML page; nothing but data and files of this machine is fetched, and a font that is missing is an error."""
    from weasyprint import HTML
    from weasyprint.urls import URLFetcher

    document: bytes = HTML(string=html, url_fetcher=URLFetcher(allowed_protocols={"file", "data"})).write_pdf()
    return document


if __name__ == "__main__":
    sys.stdout.buffer.write(render(sys.stdin.buffer.read().decode("utf-8")))
