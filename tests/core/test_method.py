"""Every source opens: the method's sections are the registry's, each is cited, each calculator's example stands in the section that it cites, and
nothing cites what doesn't ship."""

from __future__ import annotations

import json
import re
from pathlib import Path
from typing import Any

import pytest

from bothy.core.calculators import CALCULATORS, calculate
from bothy.core.finding import RULES
from bothy.core.method.registry import SECTIONS
from bothy.core.method.sources import Maker, Method, OwnChoice, Standard, in_words, listed, sources, written
from bothy.core.report import report
from bothy.core.trips.of_design import run_trip  # registers the trip's rules
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.formats.method_pages import read_page, read_pages, rows_of

ROOT = Path(__file__).parents[2]
FOLDER = ROOT / "docs" / "method"
PAGES = read_pages(FOLDER)
TEXTS = [
    p for base in ("src", "web/src", "tests", "docs") for p in (ROOT / base).rglob("*") if p.suffix in (".py", ".ts", ".tsx", ".md", ".html", ".csv", ".json")
]


def methods(source: Any) -> set[str]:
    return {s.id for s in sources(source) if isinstance(s, Method)}


def test_the_pages_have_the_sections_of_the_registry_in_their_order() -> None:
    assert [(s.id, s.title) for p in PAGES for s in p.sections] == list(SECTIONS.items())


@pytest.mark.parametrize("section", [s for p in PAGES for s in p.sections], ids=lambda s: s.id)
def test_a_section_says_what_why_and_where(section: Any) -> None:
    assert section.text and section.formula and section.symbols and section.holds and section.after, section.id
    assert all(len(t) > 20 for t in section.text)


def test_every_section_is_cited_by_code() -> None:
    cited = {id for p in (ROOT / "src").rglob("*.py") for id in re.findall(r'Method\("([a-z.-]+)"', p.read_text())}
    assert cited == set(SECTIONS)


def test_every_calculator_has_its_example_in_one_section_at_least_and_cites_that() -> None:
    where: dict[str, set[str]] = {}
    for p in PAGES:
        for s in p.sections:
            for e in s.examples:
                where.setdefault(e.calculator, set()).add(s.id)
    assert set(where) == set(CALCULATORS)
    for name, ids in where.items():
        case = json.loads((FOLDER / "examples" / f"{name}.json").read_text())[0]
        cited = [methods(f.source) for f in calculate(name, case["input"]).working.values()]
        assert any(ids & c for c in cited), name


def test_every_rule_opens_a_section() -> None:
    assert run_trip
    for rule in RULES.values():
        assert methods(rule.source), rule.id


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_every_computed_figure_of_a_demo_opens_a_section(demo: Any) -> None:
    r = report(demo.design())
    for key in r.figures:
        for w in r.working(key).values():
            if w["origin"] == "computed" and w["expression"]:
                assert any(s["method"] in SECTIONS for s in w["source"]), (key, w["label"])
    assert {s["method"] for s in r.sources() if s["kind"] == "method"} <= set(SECTIONS)
    assert len(r.sources()) == len({(s["kind"], s["text"]) for s in r.sources()})


@pytest.mark.parametrize("path", TEXTS, ids=lambda p: str(p.relative_to(ROOT)))
def test_nothing_cites_a_document_that_does_not_ship(path: Path) -> None:
    text = path.read_text(encoding="utf-8").lower()
    assert "hand" + "book" not in text
    assert "chapter" + " 0" not in text


def test_a_section_that_is_not_there_is_refused_where_it_is_written() -> None:
    with pytest.raises(ValueError, match=r"wiring\.rope"):
        Method("wiring.rope")


def test_sources_join_and_are_told() -> None:
    both = Method("wiring.fuse", "blade") + Standard("NFPA 70", "690.8") + Maker() + OwnChoice("practice")
    assert written(both)[:2] == [
        {"kind": "method", "text": "Fuse: blade", "method": "wiring.fuse"},
        {"kind": "standard", "text": "NFPA 70, 690.8", "method": None},
    ]
    assert in_words(both) == "Fuse: blade; NFPA 70, 690.8; the maker’s data sheet; practice"
    assert [s["text"] for s in listed(OwnChoice("practice"), both, Method("power.balance"), Method("wiring.fuse", "class T"))] == [
        "Balance and what limits",
        "Fuse",
        "NFPA 70, 690.8",
        "the maker’s data sheet",
        "practice",
    ]


def test_an_example_is_shown_flat_with_units() -> None:
    rows = {
        r.label: r.value
        for r in rows_of(
            {"length_m": 5, "drop_frac": 0.0522, "ok": False, "name_of": None, "loads": [{"id": "fridge", "power_w": 45.0}], "sizes_mm2": [2.5, 4]}
        )
    }
    assert rows["length"] == "5 m"
    assert rows["voltage drop as a part of nominal"] == "5.22 %"
    assert rows["in order"] == "no"
    assert rows["loads fridge, power"] == "45 W"
    assert rows["sizes"] == "2.5 mm², 4 mm²"


def test_a_heading_without_an_id_is_refused(tmp_path: Path) -> None:
    page = tmp_path / "01-power.md"
    page.write_text("# Power\n\n## Fuse\n\nText.\n")
    with pytest.raises(ValueError, match="Fuse"):
        read_page(page)
