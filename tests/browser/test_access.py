"""Every view passes axe, by day, by night and on a phone; nothing runs out of its frame at the desk."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import NamedTuple

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect
from sqlalchemy import text

from bothy.core.calculators import CALCULATORS
from bothy.core.design.document import Design
from bothy.core.sound import sound
from bothy.demo import curlew
from bothy.demo.load import demo_of
from bothy.store.engine import make_engine
from bothy.store.projects import Projects
from tests.browser.serving import PATIENCE_MS, Quiet, watch

TAGS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "best-practice"]
VIEWS = [
    "/",
    "/sums",
    "/v/{id}/vehicle",
    "/v/{id}/fit?view=roof",
    "/v/{id}/build?day=2027-03-06",
    "/v/{id}/build?day=2027-03-06&view=weeks",
    "/v/{id}/build?day=2027-03-06&view=tasks",
    "/v/{id}/build?day=2027-03-06&view=gates",
    "/v/{id}/build?day=2027-03-06&view=shopping",
    "/v/{id}/build?day=2027-03-06&view=log",
    "/v/{id}/handover?day=2027-03-06",
    "/v/{id}/handover?day=2027-03-06&page=circuits",
    "/v/{id}/life",
    "/v/{id}/life?hand=appliance:fridge",
    "/v/{id}/power",
    "/v/{id}/power?hand=power:bank",
    "/v/{id}/trips",
    "/v/{id}/trips?hand=leg:cardiff",
    "/v/{id}/trips?view=parts",
    "/v/{id}/trips?view=beside",
    "/v/{id}/trips?view=beside&hand=beside:lead",
    "/v/{id}/trips?view=places",
    "/v/{id}/trips?view=measured",
    "/v/{id}/warmth",
    "/v/{id}/warmth?hand=surface:right",
    "/v/{id}/warmth?hand=build:shelf-wall",
    "/v/{id}/warmth?view=heating&hand=heater:heater",
    "/v/{id}/warmth?view=ducts",
    "/v/{id}/warmth?view=ducts&hand=duct:cab-run",
    "/v/{id}/warmth?view=air",
    "/v/{id}/warmth?view=summer&hand=cabinet:inverter",
    "/v/{id}/water",
    "/v/{id}/water?view=tanks&hand=tank:fresh",
    "/v/{id}/water?view=taps",
    "/v/{id}/water?view=taps&hand=run:shower",
    "/v/{id}/water?view=hot",
    "/v/{id}/water?view=care&hand=test:first",
    "/v/{id}/gas",
    "/v/{id}/gas?view=vessels&hand=vessel:propane",
    "/v/{id}/gas?view=locker&hand=vent:floor",
    "/v/{id}/gas?view=pipes",
    "/v/{id}/gas?view=cooking",
    "/v/{id}/gas?view=papers&hand=test:commissioning",
    "/v/{id}/wiring",
    "/v/{id}/wiring?hand=circuit:inverter-feed",
    "/v/{id}/wiring?hand=board:house",
    "/v/{id}/wiring?hand=board:mains",
    "/v/{id}/wiring?hand=panel:p12",
    "/v/{id}/wiring?hand=panel:plate",
    "/v/{id}/wiring?hand=raceway:left-trunking",
    "/v/{id}/wiring?hand=zone:zone-living",
    "/v/{id}/fit",
    "/v/{id}/fit?hand=thing:power:bank",
    "/v/{id}/fit?look=slant",
    "/v/{id}/fit?view=ways&hand=way:circuit:inverter-feed",
    "/v/{id}/fit?view=wall",
    "/v/{id}/fit?view=out",
    "/v/{id}/fit?view=sides",
    "/v/{id}/fit?view=weight",
    "/v/{id}/fit?view=measure",
    "/v/{id}/worklist",
    "/v/{id}/prove",
    "/v/{id}/prove?hand=circuit:water-pump-10-l-min",
    "/v/{id}/prove?view=loops",
    "/v/{id}/prove?view=readings",
    "/v/{id}/prove?view=finder",
    "/v/{id}/prove?view=practice",
    "/v/{id}/prove?view=live",
    "/v/{id}/prove?view=record",
    "/method",
    "/method/wiring",
    "/v/{id}/print/schedule",
    "/v/{id}/print/sheet",
    "/v/{id}/print/lists",
    "/v/{id}/print/labels",
    "/v/{id}/print/panel",
    "/v/{id}/print/water",
    "/v/{id}/print/gas",
    "/v/{id}/print/ladder",
    "/v/{id}/print/walls",
    "/v/{id}/print/roof",
    "/v/{id}/print/openings",
    "/v/{id}/print/week",
    "/v/{id}/print/sources",
]
SITE = (
    "/",
    "/sums",
    "/v/{id}/vehicle",
    "/v/{id}/life",
    "/v/{id}/power",
    "/v/{id}/trips",
    "/v/{id}/trips?view=parts",
    "/v/{id}/trips?view=beside",
    "/v/{id}/warmth",
    "/v/{id}/water",
    "/v/{id}/water?view=taps",
    "/v/{id}/wiring",
    "/v/{id}/prove",
    "/v/{id}/prove?hand=circuit:water-pump-10-l-min",
    "/v/{id}/build?day=2027-03-06",
    "/v/{id}/handover?day=2027-03-06",
)
"""Views that are laid out anew on a phone."""
SIZES = {"desk": (1280, 800), "narrow desk": (1024, 768), "phone": (390, 844)}
LOOKS = [*(("desk", v) for v in VIEWS), *(("phone", v) for v in SITE)]


GROWN = """() => {
  globalThis.grown = [];
  const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let n = texts.nextNode(); n; n = texts.nextNode()) {
    const word = n.data.trim();
    const more = Math.ceil(0.4 * word.length);
    if (!/[a-z]{2}/i.test(word) || n.parentElement.closest("svg, script, style")) continue;
    const was = n.data;
    n.data += " " + "muckle ".repeat(more).slice(0, more);
    grown.push([n, was, n.data]);
  }
}"""
"""Makes every text two fifths longer, as another language would."""
SHRUNK = "() => { for (const [n, was, now] of grown) if (n.data === now) n.data = was; }"
"""Makes them what they were."""


class Looked(NamedTuple):
    """One page for all views of a worker that only look, with the demo's id and what the page complained of."""

    page: Page
    quiet: Quiet
    id: str
    complaints: list[str]

    def at(self, view: str, size: str = "desk") -> Page:
        width, height = SIZES[size]
        self.page.set_viewport_size({"width": width, "height": height})
        self.complaints.clear()
        self.quiet.go(view.format(id=self.id))
        expect(self.page.get_by_role("main").first).to_be_visible()
        return self.page


NIGHT = """localStorage.setItem("bothy.person", JSON.stringify({theme: "night"}))"""
Looks = Callable[[str], Looked]


@pytest.fixture(scope="module")
def looks(browser: Browser, base: str, migrated_url: str) -> Iterator[Looks]:
    """A page on the demo “by day” or “by night”, or on an “empty” design; each is opened once for all tests that only look."""
    made = make_engine(migrated_url)
    with made.begin() as c:
        c.execute(text("delete from projects"))
    projects = Projects(made)
    design, evidence = demo_of(curlew)
    projects.create("Curlew", [("as planned", design)], "test", evidence=evidence)
    projects.create("Tern", [("as planned", sound(Design()))], "test")
    ids = {p.name: str(p.variants[0].id) for p in projects.all()}
    opened: dict[str, Looked] = {}
    contexts: list[BrowserContext] = []

    def page(kind: str) -> Looked:
        if kind not in opened:
            context = browser.new_context(base_url=base)
            contexts.append(context)
            context.set_default_timeout(PATIENCE_MS)
            if kind == "by night":
                context.add_init_script(NIGHT)
            complaints: list[str] = []
            one = context.new_page()
            watch(one, base, complaints)
            opened[kind] = Looked(one, Quiet(one), ids["Tern" if kind == "empty" else "Curlew"], complaints)
        return opened[kind]

    yield page
    for context in contexts:
        context.close()
    made.dispose()


@pytest.fixture
def looked(looks: Looks) -> Looked:
    return looks("by day")


def violations(page: Page, axe: str) -> list[str]:
    if not page.evaluate("'axe' in window"):
        page.evaluate(axe)
    found = page.evaluate("tags => axe.run(document, {runOnly: tags, resultTypes: ['violations']})", TAGS)
    return [f"{v['id']}: {v['nodes'][0]['html'][:160]} {v['nodes'][0].get('failureSummary', '')[:200]}" for v in found["violations"]]


def wider(page: Page) -> int:
    """By how many pixels the page is wider than its window."""
    return int(page.evaluate("document.documentElement.scrollWidth - window.innerWidth"))


@pytest.mark.parametrize(("size", "view"), LOOKS)
def test_a_view_passes_axe_and_keeps_to_its_frame(looked: Looked, axe: str, size: str, view: str) -> None:
    """Also when its words are two fifths longer, as another language makes them."""
    page = looked.at(view, size)
    assert violations(page, axe) == []
    if "print" not in view:
        assert wider(page) <= 0
        if size == "desk":
            assert page.evaluate("document.documentElement.scrollHeight") <= 800
        page.evaluate(GROWN)
        assert wider(page) <= 0, "with longer words"
        if size == "desk":
            width, height = SIZES["narrow desk"]
            page.set_viewport_size({"width": width, "height": height})
            assert wider(page) <= 0, "with longer words at a narrow desk"
        page.evaluate(SHRUNK)
    assert looked.complaints == []


@pytest.mark.parametrize("kind", ["by night", "empty"])
@pytest.mark.parametrize("stage", ["vehicle", "life", "power", "wiring", "warmth", "prove"])
def test_axe_otherwise(looks: Looks, axe: str, kind: str, stage: str) -> None:
    """By night, and on a design in which nothing is entered."""
    one = looks(kind)
    assert violations(one.at(f"/v/{{id}}/{stage}"), axe) == []
    assert one.complaints == []


FIRST = set(list(CALCULATORS)[::8])
"""They are all drawn by one part; what differs is how many fields it has."""


@pytest.mark.parametrize("name", list(CALCULATORS))
def test_every_sum_has_its_page(looked: Looked, axe: str, name: str) -> None:
    page = looked.at(f"/sums/{name}")
    slate = page.get_by_role("complementary", name="Details")
    expect(slate.get_by_role("button").first).to_be_visible()
    if name in FIRST:
        assert violations(page, axe) == []
    assert looked.complaints == []
