"""All that the program says stands in catalogues: nothing escapes them, nothing in them is idle, and each text gets what it asks for."""

from __future__ import annotations

import re
from itertools import pairwise
from pathlib import Path
from typing import Any

import pytest
from fluent.syntax import FluentParser
from fluent.syntax.ast import FunctionReference, Junk, Message, Pattern, Placeable, SelectExpression, TextElement, VariableReference
from fluent.syntax.visitor import Visitor

from bothy.core.finding import RULES
from bothy.core.proposing import propose
from bothy.core.report import report
from bothy.core.words.amounts import FUNCTIONS
from bothy.core.words.catalogues import PSEUDO, Catalogue, in_language
from bothy.core.words.said import METRIC_UK, Reader, said
from bothy.core.words.says import CATALOGUES
from bothy.demo import curlew, fiddlehead, saltbush
from tests.catalogued import asked, escaped, escaped_in, is_text

ASKED = list(asked())
SPOKEN = Path(__file__).with_name("spoken.txt")
UNIT_OF = {
    **{
        u: u.lower()
        for u in ("L", "kPa", "mbar", "W", "kW", "Wh", "kWh", "A", "Ah", "kA", "mA", "V", "kg", "g", "m", "mm", "km", "N", "kN", "h", "s", "min", "ppm")
    },
    "mm²": "mm2",
    "cm²": "cm2",
    "m²": "m2",
    "m³": "m3",
    "m³/h": "m3_h",
    "L/min": "l_min",
    "°C": "c",
    "mΩ": "mohm",
    "kg/h": "kg_h",
    "km/h": "km_h",
    "m/s": "m_s",
    "%": "pc",
}
"""How a unit ends the name of a quantity."""


class Holes(Visitor):
    """What is put into a text: its names, which of them choose words, and the functions that write numbers."""

    def __init__(self) -> None:
        self.names: set[str] = set()
        self.functions: set[str] = set()
        self.choosers: dict[str, set[str]] = {}

    def visit_VariableReference(self, node: VariableReference) -> None:
        self.names.add(node.id.name)

    def visit_FunctionReference(self, node: FunctionReference) -> None:
        self.functions.add(node.id.name)
        self.generic_visit(node)

    def visit_SelectExpression(self, node: SelectExpression) -> None:
        assert isinstance(node.selector, VariableReference)
        self.choosers[node.selector.id.name] = {v.key.name for v in node.variants}  # type: ignore[union-attr]
        self.generic_visit(node)


def holes(message: Message) -> Holes:
    found = Holes()
    found.visit(message)
    return found


def messages(of: Catalogue) -> dict[str, Message]:
    out: dict[str, Message] = {}
    for entry in FluentParser().parse(of.source()).body:
        assert not isinstance(entry, Junk), entry.content
        if isinstance(entry, Message):
            assert entry.id.name not in out, f"{entry.id.name} stands twice"
            out[entry.id.name] = entry
    return out


TEXTS = {field: messages(c) for field, c in CATALOGUES.items()}


def test_no_text_for_a_reader_stands_in_the_program() -> None:
    assert list(escaped()) == []


@pytest.mark.parametrize(
    ("program", "found"),
    [
        ("def f():\n    return finding('x', 'y', 'Y', 'The pipe leaks.')", ["The pipe leaks."]),
        ("def f(n):\n    return f'Fit {n} and {n} A'", ["Fit x and x A"]),
        ("TABLE = {'a-key': 'from the rear'}", ["from the rear"]),
        ("def f():\n    return says('pipe-leaks')", []),
        ("@formula('Ampacity', 'I·k')\ndef f(x):\n    return x", ["Ampacity"]),
        ("@formula(says('ampacity'), 'loss × rise / area')\ndef f(x):\n    return x", []),
        ("def f(x):\n    if x == 'on the roof':\n        raise ValueError('no such place here')", []),
        ("'''A sentence about a module.'''", []),
    ],
)
def test_a_text_that_escaped_is_found(program: str, found: list[str]) -> None:
    assert [words for _, words in escaped_in(program)] == found


def test_what_reads_as_a_text() -> None:
    assert is_text("Fit a check valve")
    assert is_text("of it from the fresh tank")
    assert not is_text("max(0, P_max − losses)")
    assert not is_text("/water/pump")
    assert not is_text("M5 to M10")


def test_every_text_is_asked_for_and_every_key_has_its_text() -> None:
    for field, texts in TEXTS.items():
        keys = {a.key for a in ASKED if a.field == field}
        assert keys - set(texts) == set(), f"{field}: keys without a text"
        assert set(texts) - keys == set(), f"{field}: texts that nobody asks for"


def test_each_text_gets_what_it_asks_for_and_nothing_else() -> None:
    for a in ASKED:
        assert holes(TEXTS[a.field][a.key]).names == a.put, f"{a.where}: {a.key}"


@pytest.mark.parametrize("field", sorted(TEXTS))
def test_what_is_put_in_is_typed(field: str) -> None:
    """A number before a unit carries that unit in its name and is written by a function; what chooses words is a yes or no, or a number."""
    for key, message in TEXTS[field].items():
        inside = holes(message)
        assert inside.functions <= set(FUNCTIONS), key
        for variants in inside.choosers.values():
            assert variants in ({"yes", "no"}, {"one", "other"}), key
        elements = message.value.elements if message.value else []
        for hole, after in pairwise(elements):
            if not isinstance(hole, Placeable) or not isinstance(after, TextElement):
                continue
            unit = next((u for u in sorted(UNIT_OF, key=len, reverse=True) if re.match(rf"[ \u202f\xa0]?{re.escape(u)}(?![\w²³/·])", after.value)), None)
            for name in re.findall(r"\$?(\w+)", _name(hole)) if unit else ():
                assert re.search(rf"(^|_){UNIT_OF[unit]}(_|$)", name), f"{field}: {key}: {name} stands before {unit}"  # type: ignore[index]


def _name(hole: Placeable) -> str:
    inside: Any = hole.expression
    if isinstance(inside, FunctionReference):
        inside = inside.arguments.positional[0]
    return inside.id.name if isinstance(inside, VariableReference) else ""


def sample(pattern: Pattern, chosen: str) -> str:
    """A text with 12 for each number and “Kettle” for each name."""
    out = []
    for e in pattern.elements:
        if isinstance(e, TextElement):
            out.append(e.value)
        elif isinstance(e.expression, SelectExpression):
            variants = e.expression.variants
            out.append(sample(next((v for v in variants if v.key.name == chosen), variants[-1]).value, chosen))  # type: ignore[union-attr]
        elif isinstance(e.expression, FunctionReference):
            out.append("30 %" if e.expression.id.name == "PER_CENT" else "12")
        elif isinstance(e.expression, VariableReference):
            name = e.expression.id.name
            number = not name.endswith(("name", "names")) and any(re.search(rf"(^|_){u}(_|$)", name) for u in UNIT_OF.values())
            out.append("12" if number else "“Kettle”")
        else:
            out.append(str(e.expression.parse()["value"]))  # type: ignore[union-attr]
    return "".join(out)


def spoken() -> str:
    """Every text that an American reads otherwise, as both have it."""
    out = []
    us = Reader("us", "us")
    for field, texts in sorted(TEXTS.items()):
        for key, message in texts.items():
            assert message.value is not None
            text = sample(message.value, "yes").replace("““", "“").replace("””", "”")
            ours, theirs = said(text, METRIC_UK, field), said(text, us, field)
            if ours != theirs:
                out.append(f"{field}: {key}\n  uk  {ours}\n  us  {theirs}\n")
    return "\n".join(out)


def test_what_an_american_reads_otherwise_is_as_it_was_looked_at() -> None:
    """Changed on purpose: ``python -m tests.core.words.test_says`` writes it anew, and the change is read."""
    assert spoken() == SPOKEN.read_text(encoding="utf-8")


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_in_another_language_no_message_stays_behind(demo: Any) -> None:
    design = demo.design()
    english, plans = report(design).findings, propose(design)
    with in_language(PSEUDO):
        other, theirs = report(design).findings, propose(design)
    assert [f.id for f in other] == [f.id for f in english]
    for f in other:
        assert "⟦" in f.message, f"{f.rule}: {f.message}"
        assert f.fix is None or "⟦" in f.fix.label, f"{f.rule}: {f.fix}"
        assert "⟦" in f.remedy or f.rule not in RULES, f.rule
    assert len(theirs) == len(plans)
    for p in theirs:
        assert all("⟦" in x for x in (*p.why, *p.assumes)), p


if __name__ == "__main__":
    SPOKEN.write_text(spoken(), encoding="utf-8")
