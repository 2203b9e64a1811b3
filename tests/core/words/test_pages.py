"""A text of a page that somebody reads otherwise goes through their words: no child of an element shows it as it stands in the catalogue."""

from __future__ import annotations

import re
from pathlib import Path

from fluent.syntax import FluentParser, ast

from bothy.core.words.said import Reader, said

WEB = Path(__file__).parents[3] / "web" / "src"
READERS = (Reader("us", "us"), Reader("metric", "au"), Reader("metric", "eu"))
CHILD = re.compile(r'[>}]\s*\{\s*says\("([\w-]+)"')
"""A text that stands right in an element; what a part is given as its label, its note or its choice it says itself."""


def _plain(message: ast.Message) -> str:
    """The message with 12 for each of its values, and nothing of what is chosen by one."""
    parts = message.value.elements if message.value else []
    return "".join(
        p.value if isinstance(p, ast.TextElement) else "" if isinstance(p, ast.Placeable) and isinstance(p.expression, ast.SelectExpression) else "12"
        for p in parts
    )


def read_otherwise(catalogue: Path) -> set[str]:
    """Keys of the texts that change for a reader."""
    body = FluentParser().parse(catalogue.read_text(encoding="utf-8")).body
    texts = {m.id.name: _plain(m) for m in body if isinstance(m, ast.Message)}
    return {key for key, text in texts.items() if any(said(text, reader) != text for reader in READERS)}


def test_what_is_read_otherwise_is_said_where_it_stands() -> None:
    assert CHILD.findall('<p>{says("a")}</p><p>{say(says("b"))}</p>') == ["a"]
    changing = {f.name.split(".")[0]: read_otherwise(f) for f in (WEB / "words").glob("*.en.ftl")}
    assert "middle-over-floor-full" in changing["water"]
    raw = []
    for page in WEB.rglob("*.tsx"):
        text = page.read_text(encoding="utf-8")
        field = re.search(r'import \{ says \} from "[./]+(?:words/)?(\w+)"', text)
        if field:
            raw += [f"{page.relative_to(WEB)}: {key}" for key in CHILD.findall(text) if key in changing[field[1]]]
    assert raw == []
