"""The words of the book: all of one catalogue, each used, each given what it asks for; a pseudo-language shows what escaped."""

from __future__ import annotations

import ast
import datetime as dt
import re
from html.parser import HTMLParser
from pathlib import Path
from typing import Any

import pytest

from bothy.core.handover import book as book_module
from bothy.core.handover import services as services_module
from bothy.core.handover.book import ZONES, book
from bothy.core.handover.care import CARE
from bothy.core.handover.papers import SYSTEMS
from bothy.core.handover.services import RUN
from bothy.core.handover.words import BOOK, say
from bothy.core.region import REGIONS
from bothy.core.report import report
from bothy.core.words.catalogues import PSEUDO, in_language, language
from bothy.demo import curlew, fiddlehead
from bothy.formats import book_files

SRC = Path(str(book_module.__file__)).parent
FILES = [*sorted(SRC.glob("*.py")), Path(str(book_files.__file__))]
MESSAGES = dict(re.findall(r"^([a-z][a-z0-9-]*) = (.*)$", BOOK.source(), re.M))
DYNAMIC = {
    *(f"care-{x.id}{end}" for x in CARE for end in ("", "-how")),
    *(f"papers-{s}-{r}" for s in SYSTEMS for r in REGIONS),
    *(f"papers-by-{s}" for s in SYSTEMS),
    *(f"routes-run-{k}" for k in RUN),
    *(f"photos-{z.replace('_', '-')}" for z in ("elsewhere", *ZONES)),
    *(f"tests-is-{s}" for s in ("pass", "marginal", "fail", "again", "locked")),
}
"""Keys that are put together: an item of maintenance, a paper by region."""


def asked() -> set[str]:
    """Every key that the code asks for by its whole name."""
    out: set[str] = set()
    for path in FILES:
        for n in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            if isinstance(n, ast.Call) and getattr(n.func, "id", "") == "say":
                out |= {
                    x.value
                    for x in ast.walk(n.args[0])
                    if isinstance(x, ast.Constant) and isinstance(x.value, str) and re.fullmatch(r"[a-z]+-[a-z0-9-]+", x.value)
                }
    return {k for k in out if not k.endswith("-")}


def test_every_text_is_used_and_every_key_has_its_text() -> None:
    known = asked() | DYNAMIC
    assert set(MESSAGES) - known == set(), "texts that nobody asks for"
    assert known - set(MESSAGES) == set(), "keys without a text"


def test_no_text_of_a_page_stands_outside_the_catalogue() -> None:
    """What a page writes is asked for by key, or is of the design."""
    outside = []
    for module in (book_module, services_module):
        tree = ast.parse(Path(str(module.__file__)).read_text(encoding="utf-8"))
        for n in ast.walk(tree):
            if isinstance(n, ast.Call) and isinstance(n.func, ast.Attribute) and getattr(n.func.value, "id", "") == "p":
                if n.func.attr in ("text", "warn", "heading", "lack", "steps", "points", "table") and n.args:
                    items = n.args[0].elts if isinstance(n.args[0], ast.List | ast.Tuple) else [n.args[0]]
                    outside += [x.value for x in items if isinstance(x, ast.Constant) and re.search("[a-z]{2}", str(x.value))]
            if isinstance(n, ast.Call) and getattr(n.func, "id", "") == "Page":
                outside += [x.value for x in n.args[1:] if isinstance(x, ast.Constant)]
    assert outside == []


def test_a_text_that_lacks_something_is_refused() -> None:
    with pytest.raises(KeyError, match="no text of book"):
        say("isolation-moon")
    with pytest.raises(ValueError, match="emergency"):
        say("emergency-call-2")
    with pytest.raises(KeyError, match="no catalogue"), in_language("eo"):
        pass
    assert say("circuits-circuits-are-not-measured-yet", unread=1200) == "1200 circuits are not measured yet"


def made(demo: Any) -> Any:
    d = demo.design()
    return book(d, report(d), demo.facts(), dt.date(2027, 6, 1), demo.NAME, demo.VARIANT)


@pytest.mark.parametrize("demo", [curlew, fiddlehead])
def test_a_pseudo_language_reaches_every_page(demo: Any) -> None:
    with in_language(PSEUDO):
        b = made(demo)
        html = book_files.to_html(b, {})
        paper = book_files.to_paper(b, {}, "A4")
        ics = book_files.to_ics(b)
    assert language() == "en", "it goes with its block"
    for p in b.pages:
        assert p.title.startswith("⟦"), p.id
        for m in p.missing:
            assert "⟦" in m.text, m.text
        for x in p.blocks:
            if x.kind in ("warning", "steps") and p.id != "method":
                assert all("⟦" in t for t in [x.text, *x.items] if t), (p.id, x)
            if x.kind == "table":
                assert all(h.startswith("⟦") for h in x.head if h), (p.id, x.head)
    assert all(c.name.startswith("⟦") and c.how.startswith("⟦") for c in b.care)
    assert all(x.name.startswith("⟦") and x.by.startswith("⟦") for x in b.papers)
    assert f"<html lang='{PSEUDO}'>" in html and "Find in the book" not in html and ">contents<" not in html
    assert "⟦ of ⟧" in paper and "⟦" in ics
    english = {p.id: p.title for p in made(demo).pages}
    for p in b.pages:
        assert re.sub(r"([aeiou])\1", r"\1", p.title.strip("⟦⟧")) == english[p.id]


class _Closed(HTMLParser):
    """Counts what is opened and not closed."""

    def __init__(self) -> None:
        super().__init__()
        self.open: list[str] = []

    def handle_starttag(self, tag: str, attrs: Any) -> None:
        if tag not in ("meta", "input", "img", "br"):
            self.open.append(tag)

    def handle_endtag(self, tag: str) -> None:
        assert self.open.pop() == tag


def test_longer_words_break_no_page() -> None:
    with in_language(PSEUDO):
        html = book_files.to_html(made(curlew), {})
    parser = _Closed()
    parser.feed(html)
    assert parser.open == []
