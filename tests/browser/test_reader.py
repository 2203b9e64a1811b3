"""An American reads feet, pounds, degrees Fahrenheit and American terms wherever Bothy speaks, on screen and on paper; a Briton the other."""

from __future__ import annotations

import re
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from bothy.core.catalogue.parts import parts
from bothy.core.design.edit import apply_patch
from bothy.core.region import RegionKey
from bothy.core.words.terms import in_region
from bothy.demo import curlew, fiddlehead
from bothy.demo.load import demo_of
from bothy.store.projects import Projects
from tests.browser.serving import Quiet
from tests.browser.test_access import VIEWS

METRIC = re.compile(
    r"(?<![\w.])\d[\d\u202f,.]*[\s\u202f\xa0]?(?:mm(?! blade)|cm|m|km|m²|m³/h|m³|m/s|kg|k?W of heat|g/h|L/min|mL|L|°C|kPa|mbar|bar"
    r"|N·m|k?N|g a day|W/\(m²K\)|W/K|kg/m[²³]|/kg|K)(?![\w²³/·(])"
)
BRITISH = re.compile(
    r"(?<![.\w])(?:hob|tyres?|colour|residual-current|hook-ups?|petrol|litres?|licence|windscreen|vapour|aluminium|mould|worktop|fibre|sanitise\w*"
    r"|isolator)\b",
    re.I,
)
"""Terms that an American doesn't use."""
OPENING = re.compile(r"(?<![\w.])\d[\d\u202f,.]*[\s\u202f\xa0]?[mc]m²")
"""Free areas of vents; elsewhere square millimetres are copper, and are read so by everybody."""
AMERICAN = re.compile(
    r"(?<![\w.])\d[\d\u202f,.]*[\s\u202f\xa0](?:ft|in(?=[,;.)\t]|$)|lb|gal|°F|psi|mi|mph|CFM|inWC|lb·ft)(?!\w)|\$\d|\b(?:faucet|cooktop|tire|gasoline|GFCI|windshield)\b"
)
KEY = re.compile(r"\b[a-z]+\.[a-z-]+\b")
"""A section of the method by its address."""


def foreign(line: str, region: RegionKey) -> bool:
    """Whether a line has a word that its region calls otherwise, by the table of terms."""
    line = KEY.sub("…", line)
    return region == "us" and in_region(line, region) != line


LOOKED = [v for v in VIEWS if v.startswith("/v/") and "hand=" not in v]
HEARD = """() => {
  for (const d of document.querySelectorAll("details")) d.open = true;
  const said = [...document.querySelectorAll("[title], [aria-label]")].flatMap((e) => [e.getAttribute("title"), e.getAttribute("aria-label")]);
  return [document.body.innerText, ...said.filter(Boolean)].join("\\n");
}"""


def openings(view: str, demo: Any) -> tuple[re.Pattern[str], ...]:
    return (OPENING,) if demo is fiddlehead and re.search(r"/(warmth|gas)\b", view) else ()


def names_of(x: Any) -> set[str]:
    """Whatever somebody typed or a part is called: that stays as it is."""
    if isinstance(x, dict):
        return {v for v in x.values() if isinstance(v, str) and len(v) > 2} | {n for v in x.values() for n in names_of(v)}
    return {n for v in x for n in names_of(v)} if isinstance(x, list) else set()


@pytest.mark.parametrize(
    ("demo", "wrong"), [(fiddlehead, (METRIC, BRITISH)), (curlew, (AMERICAN,))], ids=["an American reads nothing metric", "a Briton reads nothing American"]
)
def test_every_view_is_in_the_readers_words(page: Page, engine: Any, demo: Any, wrong: tuple[re.Pattern[str], ...]) -> None:
    one, evidence = demo_of(demo)
    Projects(engine).create(demo.NAME, [("as planned", one)], "test", evidence=evidence)
    id = str(Projects(engine).all()[0].variants[0].id)
    typed = {n for x in (one.design, demo.facts()) for n in names_of(x.model_dump(mode="json"))}
    names = sorted({n for n in typed if " " in n or not n.islower()} | {p.name for p in parts().values()}, key=len, reverse=True)
    anyone = re.compile("|".join([*(re.escape(n) for n in names), "bolt-down, 30 mm"]))
    quiet = Quiet(page)
    found: list[str] = []
    for view in LOOKED:
        quiet.go(view.format(id=id))
        lines = anyone.sub("…", page.evaluate(HEARD)).splitlines()
        found += [f"{view}: {line.strip()[:160]}" for line in dict.fromkeys(lines) if any(w.search(line) for w in (*wrong, *openings(view, demo)))]
        found += [f"{view}: {line.strip()[:160]}" for line in dict.fromkeys(lines) if foreign(line, one.design.region)]
    assert not found, "\n".join(found[:60])


def test_two_designs_beside_each_other_are_read_as_their_builder_reads(page: Page, load: Any) -> None:
    one = load(fiddlehead.design(), "Wet")
    other = load(apply_patch(fiddlehead.design(), [{"op": "replace", "path": "/wiring/circuits/0/length_m", "value": 3.048}]), "Dry")
    page.goto(f"/compare?a={one}&b={other}")
    expect(page.get_by_role("table", name="What was entered differently")).to_contain_text("10\u00a0ft")
    rows = page.get_by_role("table", name="Headlines")
    expect(rows).to_contain_text("BTU/h")
    text = page.locator("main").inner_text()
    assert not METRIC.search(text), METRIC.search(text)
    page.goto(f"/compare?a={load(curlew.design(), 'Curlew one')}&b={load(curlew.design(), 'Curlew two')}")
    expect(page.get_by_role("table", name="Headlines")).to_contain_text("£")
    assert not AMERICAN.search(page.locator("main").inner_text())
