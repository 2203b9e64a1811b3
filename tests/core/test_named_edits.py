"""One wrong value in a sound design is named: each row of :mod:`tests.core.named_edits` raises its danger or fault, and no row without its edit does."""

from __future__ import annotations

import re
from functools import cache
from types import ModuleType
from typing import Any

import pytest

from bothy.core.design.document import Design
from bothy.core.design.edit import apply_patch
from bothy.core.facts.evidence import Evidence
from bothy.core.report import Report, report
from bothy.core.words.said import Reader, reader_of, said
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.demo.load import demo_of
from tests.core.named_additions import ADDED, Added
from tests.core.named_edits import CURLEW, FIDDLEHEAD, SALTBUSH, Edit

DEMOS: dict[str, tuple[ModuleType, tuple[Edit, ...]]] = {
    "curlew": (curlew, CURLEW),
    "fiddlehead": (fiddlehead, FIDDLEHEAD),
    "saltbush": (saltbush, SALTBUSH),
}


@cache
def standing(name: str) -> tuple[Design, tuple[Evidence, ...], Report]:
    one, evidence = demo_of(DEMOS[name][0])
    evidence = tuple(evidence)
    return one.design, evidence, report(one.design, evidence)


@cache
def american(name: str) -> Reader:
    return reader_of(standing(name)[0], "us")


METRIC = re.compile(r"(?<![\w.,])\d[\d.,\u202f]*\s?(m|mm|cm|kg|L|°C|kPa|km|km/h|N|mbar|K|m²|m³|m³/h|m/s|L/min|kN|g of|W/\(m²K\))(?![\w²³/·(’])")
"""What no American reads but in a name: copper has its square millimetres, acceleration its g."""


def edits() -> list[tuple[str, Edit]]:
    return [(name, e) for name, (_, rows) in DEMOS.items() for e in rows]


@pytest.mark.parametrize(("name", "edit"), edits(), ids=[f"{n}-{p}-{f}" for n, (p, _, f) in edits()])
def test_a_wrong_value_is_named(name: str, edit: Edit) -> None:
    path, value, told = edit
    named(name, told, [{"op": "replace", "path": f"/{path}", "value": value}])


@pytest.mark.parametrize("added", ADDED, ids=[f"{n}-{told}-{changes[0][0]}" for n, told, changes in ADDED])
def test_what_is_added_wrongly_is_named(added: Added) -> None:
    name, told, changes = added
    named(name, told, [{"op": "add", "path": f"/{path}", "value": value} for path, value in changes])


def named(name: str, told: str, ops: list[dict[str, Any]]) -> None:
    """A change of a demo is told as a danger or a fault that was not there before, in words that an American reads too."""
    design, evidence, before = standing(name)
    assert told not in {f.id for f in before.findings if f.severity in ("danger", "fault")}, "it is there without the edit"
    after = report(apply_patch(design, ops), evidence, before)
    assert len({f.id for f in after.findings}) == len(after.findings), "an answer to one would answer the other"
    found = next((f for f in after.findings if f.id == told), None)
    assert found is not None, sorted(f.id for f in after.findings if f.severity in ("danger", "fault"))
    assert found.severity in ("danger", "fault")
    assert found.message and found.remedy
    reader = american(name)
    read = said(found.message, reader, found.stage)
    for name_of in reader.names:
        read = read.replace(name_of, "…")
    assert not METRIC.search(re.sub(r"“[^”]*”", "“…”", read)), read
