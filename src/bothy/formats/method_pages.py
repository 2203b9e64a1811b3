"""The pages of the method: docs/method read into sections, each with its formula, symbols, where it holds, what it rests on, and a worked example of
the tests."""

from __future__ import annotations

import json
import re
from pathlib import Path
from typing import Any

from pydantic import BaseModel

from bothy.core.calculators import CALCULATORS
from bothy.core.figure import label_of, unit_of
from bothy.core.units import show
from bothy.core.words.says import formats_says as says

HEADING = re.compile(r"## (?P<title>.+?) \{#(?P<id>[a-z-]+)\}")
LABELS = {"Symbols": "symbols", "Holds": "holds", "After": "after", "Typical": "typical"}
MOST_ROWS = 40
"""Rows of an example that are shown; a long input is cut with a word."""


class ExampleRow(BaseModel):
    """One value of an example: what it is, and the value as it is shown."""

    label: str
    value: str


class WorkedExample(BaseModel):
    """An example of a calculator, as the tests hold it: what goes in, and what comes out."""

    calculator: str
    title: str
    given: list[ExampleRow]
    found: list[ExampleRow]


class MethodSection(BaseModel):
    """A section: its id (``field.section``), text, formula lines, and what is said of symbols, validity, origin and typical values."""

    id: str
    title: str
    text: list[str]
    formula: list[str]
    symbols: str = ""
    holds: str = ""
    after: str = ""
    typical: str = ""
    examples: list[WorkedExample] = []


class MethodPage(BaseModel):
    """All sections of a field."""

    field: str
    title: str
    intro: str
    sections: list[MethodSection]


def _value(key: str, value: Any) -> str:
    """A value of an example in words and its unit."""
    if value is None:
        return "none"
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, int | float):
        unit = unit_of(key)
        return f"{100 * value:.4g} %" if unit == "%" else show(float(value), unit) if unit else f"{value:.6g}"
    return str(value).replace("_", " ")


def rows_of(values: dict[str, Any], of: str = "") -> list[ExampleRow]:
    """The values of an example, flat: what lies in a list is named by its item."""
    out: list[ExampleRow] = []
    for key, value in values.items():
        label = f"{of}, {label_of(key)}" if of else label_of(key)
        if isinstance(value, dict):
            out += rows_of(value, label)
        elif isinstance(value, list) and value and all(isinstance(x, dict) for x in value):
            for n, item in enumerate(value, 1):
                name = str(item.get("id") or item.get("name") or n)
                out += rows_of({k: v for k, v in item.items() if k not in ("id", "name")}, f"{label} {name}")
        elif isinstance(value, list):
            out.append(
                ExampleRow(
                    label=label,
                    value=", ".join(_value(key, x) if not isinstance(x, list | dict) else json.dumps(x) for x in value[:12])
                    + (says("in-all", value_count=len(value)) if len(value) > 12 else "")
                    or "none",
                )
            )
        else:
            out.append(ExampleRow(label=label, value=_value(key, value)))
    return out


def _example(folder: Path, name: str) -> WorkedExample:
    case = json.loads((folder / "examples" / f"{name}.json").read_text())[0]

    def cut(rows: list[ExampleRow]) -> list[ExampleRow]:
        return rows if len(rows) <= MOST_ROWS else [*rows[:MOST_ROWS], ExampleRow(label="and", value=says("more", rows_count=len(rows) - MOST_ROWS))]

    return WorkedExample(calculator=name, title=CALCULATORS[name].title, given=cut(rows_of(case["input"])), found=cut(rows_of(case["output"])))


def _section(folder: Path, field: str, title: str, id: str, lines: list[str]) -> MethodSection:
    out = MethodSection(id=f"{field}.{id}", title=title, text=[], formula=[])
    for line in lines:
        label, _, rest = line.partition(": ")
        if line.startswith("    "):
            out.formula.append(line.strip())
        elif label in LABELS:
            setattr(out, LABELS[label], rest.strip())
        elif label == "Example":
            out.examples.append(_example(folder, rest.strip()))
        elif line.strip():
            out.text.append(line.strip())
    return out


def read_page(path: Path) -> MethodPage:
    """One page of the method from its file (``01-power.md``). Raises OSError, and ValueError where a heading has no id."""
    field = path.stem.partition("-")[2]
    first, *parts = re.split(r"^(?=## )", path.read_text(encoding="utf-8"), flags=re.M)
    head = first.strip().splitlines()
    sections = []
    for part in parts:
        heading, *lines = part.splitlines()
        m = HEADING.fullmatch(heading.strip())
        if m is None:
            raise ValueError(f"{path.name}: “{heading}” has no id; write for example “## Fuse {{#fuse}}”")
        sections.append(_section(path.parent, field, m["title"], m["id"], lines))
    return MethodPage(field=field, title=head[0].removeprefix("# "), intro=" ".join(x for x in head[1:] if x), sections=sections)


def read_pages(folder: Path) -> list[MethodPage]:
    """All pages of a folder, in their order."""
    return [read_page(p) for p in sorted(folder.glob("[0-9][0-9]-*.md"))]
