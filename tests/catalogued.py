"""Reads the program's own text: which words stand in it that belong into a catalogue, and which texts of the catalogues it asks for."""

from __future__ import annotations

import ast
import re
from collections.abc import Iterator
from dataclasses import dataclass
from pathlib import Path

import bothy

SRC = Path(str(bothy.__file__)).parent
FIELD_OF = {"core": "core", **{d.name: d.name for d in [*(SRC / "core").iterdir(), *SRC.iterdir()] if d.is_dir()}}
"""Which catalogue the files of a folder speak from: the folder's own name."""
OUTSIDE = {
    "demo": "a made-up person’s own words",
    "running": "said in a terminal, to whoever starts it",
    "cli.py": "said in a terminal",
    "__main__.py": "said in a terminal",
    "migrations": "statements for the database",
    "book.py": "has a catalogue of its own, held by its own tests",
}
CODE = {
    "ArgumentParser",
    "AssertionError",
    "Calculator",
    "FastAPI",
    "Field",
    "Header",
    "KeyError",
    "Literal",
    "Maker",
    "Method",
    "OSError",
    "OwnChoice",
    "Path",
    "Query",
    "RuntimeError",
    "Standard",
    "SystemExit",
    "TypeError",
    "TypeVar",
    "ValueError",
    "add_argument",
    "add_parser",
    "by",
    "cast",
    "compile",
    "create_engine",
    "debug",
    "endswith",
    "exception",
    "execute",
    "execution_options",
    "formula",
    "fullmatch",
    "get",
    "getLogger",
    "info",
    "match",
    "partition",
    "plain",
    "pop",
    "print",
    "replace",
    "rows",
    "rsplit",
    "rule",
    "says",
    "search",
    "shipped",
    "slug",
    "split",
    "startswith",
    "strip",
    "sub",
    "text",
    "warning",
}
"""Calls whose words are no text for a reader: sources, patterns, statements, keys, a log, errors of the program itself."""
LABELLED = {"formula", "pick"}
"""Calls whose first words are the label of a figure."""
HEADINGS = "formats"
"""A folder whose tables are headings of columns: they are read back by them, so they are keys as much as words."""
NAMES = {"name", "title"}
"""Fields whose first value somebody may overwrite: a name that is kept in the design."""
SENTENCE = re.compile(r"[A-Za-z’“”é,:;)]+ +[A-Za-z“’(]")
UNITS = {"ppm", "mbar", "kpa", "min", "day", "name", "bar", "mohm", "AWG", "ACME", "heat", "opening", "wind", "mph", "water", "grains", "per"}
FORMULA = re.compile(r"[·÷√Σ∫=×⁻^]|[A-Za-z]\(|\)/|/\(| [−+–] ?[A-Z]\b| / ")
MARKUP = re.compile(
    r"<[a-z/!]|='|=\"|/>|charset|-src '|landscape$| Do Q EMC$|^Mx |mm xmm|^(text|application|attachment)/|SELECT|\\|%s|^[A-Z ]+$| findings$|\.json$|\.csv$"
)


@dataclass(frozen=True)
class Asked:
    """A text that the program asks a catalogue for, with what it puts in."""

    field: str
    key: str
    put: frozenset[str]
    where: str


def _files() -> Iterator[tuple[Path, str]]:
    for path in sorted(SRC.rglob("*.py")):
        inside = path.relative_to(SRC)
        if inside.parts[0] in OUTSIDE or inside.name in OUTSIDE or set(inside.parts) & {"migrations"}:
            continue
        folder = inside.parts[1] if inside.parts[0] == "core" and len(inside.parts) > 2 else inside.parts[0]
        yield path, FIELD_OF.get(folder, folder)


def _called(node: ast.Call) -> str:
    return node.func.attr if isinstance(node.func, ast.Attribute) else getattr(node.func, "id", "")


def asked() -> Iterator[Asked]:
    """Every call of ``says``."""
    for path, field in _files():
        for n in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            if isinstance(n, ast.Call) and _called(n) == "says":
                assert isinstance(n.args[0], ast.Constant), f"{path.name}:{n.lineno}: a text is asked for by its whole key"
                yield Asked(field, str(n.args[0].value), frozenset(str(k.arg) for k in n.keywords), f"{path.relative_to(SRC)}:{n.lineno}")


def _words(node: ast.AST) -> str | None:
    """The words of a literal, with an x for what is put in; None for no literal."""
    if isinstance(node, ast.Constant):
        return node.value if isinstance(node.value, str) else None
    if isinstance(node, ast.JoinedStr):
        return "".join(str(v.value) if isinstance(v, ast.Constant) else "x" for v in node.values)
    return None


def is_text(words: str) -> bool:
    """Whether these words read as a text for people: two words with a blank between, and no formula, markup or pattern."""
    if "{" in words or MARKUP.search(words) or not {w for w in re.findall(r"[A-Za-zé]{3,}", words) if w.strip("x")} - UNITS or not SENTENCE.search(words):
        return False
    return not FORMULA.search(words) or words.rstrip().endswith((".", "?", "!"))


def escaped_in(source: str, headings: bool = False) -> Iterator[tuple[int, str]]:
    """Line and words of each text in a program that stands in no catalogue; where tables are ``headings``, of those in functions."""
    tree = ast.parse(source)
    above = {child: n for n in ast.walk(tree) for child in ast.iter_child_nodes(n)}
    for n in ast.walk(tree):
        words = _words(n)
        up = above.get(n)
        if words is not None and isinstance(up, ast.Call) and _called(up) in LABELLED and up.args[0] is n:
            yield n.lineno, words
            continue
        if words is None or not is_text(words) or isinstance(above[n], ast.JoinedStr | ast.FormattedValue | ast.Expr | ast.Compare):
            continue
        if isinstance(above[n], ast.Subscript) and n is above[n].slice:  # type: ignore[attr-defined]
            continue
        if isinstance(above[n], ast.Dict) and n in above[n].keys:  # type: ignore[attr-defined]
            continue
        at: ast.AST = n
        for_code = False
        inside = False
        while (up := above.get(at)) is not None and not for_code:
            for_code = isinstance(up, ast.JoinedStr) or (isinstance(up, ast.Call) and at is not up.func and _called(up) in CODE)
            for_code = for_code or (isinstance(up, ast.AnnAssign) and isinstance(up.target, ast.Name) and up.target.id in NAMES)
            for_code = for_code or (isinstance(up, ast.FunctionDef) and at not in up.body) or (isinstance(up, ast.AnnAssign) and at is up.annotation)
            inside = inside or isinstance(up, ast.FunctionDef | ast.AsyncFunctionDef)
            at = up
        if not for_code and (inside or not headings):
            yield n.lineno, words  # type: ignore[attr-defined]


def escaped() -> Iterator[str]:
    """Every text of the program that stands in no catalogue, with its place."""
    for path, _ in _files():
        for line, words in escaped_in(path.read_text(encoding="utf-8"), path.relative_to(SRC).parts[0] == HEADINGS):
            yield f"{path.relative_to(SRC)}:{line}: {words}"
