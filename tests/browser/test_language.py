"""The application in the language of the tests: each view is drawn, keeps to its frame as its words grow, and says nothing that stands in no catalogue."""

from __future__ import annotations

import csv
import os
import re
import subprocess
import sys
from collections.abc import Iterator
from importlib import resources
from typing import Any

import pytest
from playwright.sync_api import Browser, Page
from sqlalchemy import text

from bothy.core.catalogue.parts import parts
from bothy.core.words.catalogues import PSEUDO
from bothy.core.words.said import METRIC_UK, said
from bothy.demo import curlew
from bothy.demo.load import demo_of
from bothy.store.engine import make_engine
from bothy.store.projects import Projects
from tests.browser.serving import PATIENCE_MS, ROOT, Quiet, watch
from tests.browser.test_access import SIZES, VIEWS, wider
from tests.browser.test_reader import names_of

LOOKED = [v for v in VIEWS if not v.startswith("/method") and "print/sources" not in v]
"""Pages of the method are documents of one language; so are the standards that sources name."""
TELLING = """() => {
  for (const d of document.querySelectorAll("details")) d.open = true;
  const read = [...document.querySelectorAll("h1, h2, h3, th, dt, legend, summary, label, button, option, a")].map((e) => e.innerText);
  const named = [...document.querySelectorAll("[placeholder], [aria-label]")].flatMap((e) => [e.getAttribute("placeholder"), e.getAttribute("aria-label")]);
  return [...new Set([...read, ...named].filter(Boolean))];
}"""
MARKED = re.compile("⟦[^⟦⟧]*[⟧…]")
"""A text of a catalogue, whole or cut short where there is no room."""
KEPT = re.compile(
    r"https?://|\b(?:Bothy|Ctrl|Shift|Enter|Delete|Esc|CSV|XLSX|GPX|JSON|SVG|PDF|DXF|AWG|RCD|DC|AC|AC/DC|STC|BTU|PSH|MPPT|PWM|AGM|LFP|NMC|USB|HDMI"
    r"|mbar|kPa|kWh|min|days?|ppm|mohm|lux|gal|mi|psi|Kirchhoff|wet room|winter|shoulder|summer|(?:left|right) (?:high|low) \d+)\b|[mc]?m[²³]|W/\(?m²K\)?"
)
"""The product’s name, keys, kinds of files, abbreviations of the trade, units, a kind of furniture, the choices of a sum and the nodes
of a body’s ways, which are their keys."""
WORD = re.compile(r"[^\W\d_]{3,}")


def rows() -> set[str]:
    """Names in the tables that ship: parts, materials, goods, tasks, places. A language has tables of its own."""
    found: set[str] = set()
    for file in (resources.files("bothy.core.catalogue") / "data").iterdir():
        if file.name.endswith(".csv"):
            for row in csv.reader(file.read_text(encoding="utf-8").splitlines()):
                found |= {said(piece.strip(), METRIC_UK) for cell in row for piece in (cell, *cell.split(";")) if WORD.search(piece)}
    return found


@pytest.fixture(scope="module")
def spoken(migrated_url: str) -> Iterator[tuple[str, str]]:
    """The address of a server that speaks the language of the tests, and the id of the demo there."""
    made = make_engine(migrated_url)
    with made.begin() as c:
        c.execute(text("delete from projects"))
    one, evidence = demo_of(curlew)
    Projects(made).create(curlew.NAME, [("as planned", one)], "test", evidence=evidence)
    id = str(Projects(made).all()[0].variants[0].id)
    made.dispose()
    env = {**os.environ, "BOTHY_LANGUAGE": PSEUDO, "PYTHONPATH": os.pathsep.join([str(ROOT / "src"), str(ROOT)])}
    server = subprocess.Popen([sys.executable, "-m", "tests.browser.serving", migrated_url], env=env, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True)
    assert server.stdout and server.stdin
    try:
        yield server.stdout.readline().strip(), id
    finally:
        server.stdin.close()
        server.wait(30)


@pytest.fixture(scope="module")
def names() -> re.Pattern[str]:
    """Whatever somebody typed, and the rows of tables."""
    one, _ = demo_of(curlew)
    typed = {n for x in (one.design, curlew.facts()) for n in names_of(x.model_dump(mode="json"))}
    known = {n for n in typed | rows() | {p.name for p in parts().values()} | {curlew.NAME, "as planned"} if WORD.search(n)}
    return re.compile("|".join(re.escape(n) for n in sorted(known, key=len, reverse=True)), re.I)


def unsaid(texts: list[str], names: re.Pattern[str]) -> list[str]:
    """Those of which something stands in no catalogue."""
    found = []
    for one in texts:
        rest, before = one, ""
        while rest != before:
            before, rest = rest, MARKED.sub(" ", rest)
        if WORD.search(names.sub(" ", KEPT.sub(" ", rest))) and WORD.search(KEPT.sub(" ", names.sub(" ", rest))):
            found.append(one)
    return found


def test_what_is_unsaid_is_found() -> None:
    names = re.compile("Fridge")
    assert unsaid(["⟦Aadd ⟦aa⟧ taank⟧", "Fridge", "Fridge, ⟦45 W⟧", "DC 12 V", "⟦Taake⟧ a tank", "Add a tank"], names) == ["⟦Taake⟧ a tank", "Add a tank"]


@pytest.fixture(scope="module")
def looked(browser: Browser, spoken: tuple[str, str]) -> Iterator[tuple[Page, Quiet, str, list[str]]]:
    address, id = spoken
    context = browser.new_context(base_url=address)
    context.set_default_timeout(PATIENCE_MS)
    page = context.new_page()
    complaints: list[str] = []
    watch(page, address, complaints)
    page.on("response", lambda r: complaints.append(f"{r.status} of {r.url}") if r.status >= 500 else None)
    yield page, Quiet(page), id, complaints
    context.close()


@pytest.mark.parametrize("view", LOOKED)
def test_a_view_in_another_language(looked: tuple[Page, Quiet, str, list[str]], names: re.Pattern[str], view: str) -> None:
    page, quiet, id, complaints = looked
    complaints.clear()
    width, height = SIZES["desk"]
    page.set_viewport_size({"width": width, "height": height})
    quiet.go(view.format(id=id))
    told: list[Any] = page.evaluate(TELLING)
    assert any("⟦" in one for one in told)
    assert "\n".join(unsaid(told, names)) == ""
    if "print" not in view:
        for size in SIZES.values():
            page.set_viewport_size({"width": size[0], "height": size[1]})
            assert wider(page) <= 0, f"at {size[0]}"
    assert complaints == []
