"""Every view passes axe, by day, by night and on a phone; nothing runs out of its frame at the desk."""

from __future__ import annotations

from typing import Any

import pytest
from playwright.sync_api import Page, expect

from bothy.core.calculators import CALCULATORS
from bothy.core.design.document import Design

TAGS = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "best-practice"]
VIEWS = [
    "/",
    "/sums",
    "/v/{id}/vehicle",
    "/v/{id}/fit?view=roof",
    "/v/{id}/build?day=2027-03-06",
    "/v/{id}/build?day=2027-03-06&view=weeks",
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
    "/v/{id}/fit?view=weight",
    "/v/{id}/fit?view=measure",
    "/v/{id}/worklist",
    "/v/{id}/prove",
    "/v/{id}/prove?hand=circuit:water-pump-10-l-min",
    "/v/{id}/gas",
    "/v/{id}/print/schedule",
    "/v/{id}/print/sheet",
    "/v/{id}/print/lists",
    "/v/{id}/print/labels",
    "/v/{id}/print/panel",
    "/v/{id}/print/water",
    "/v/{id}/print/gas",
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
SIZES = {"desk": (1280, 800), "phone": (390, 844)}
LOOKS = [*(("desk", v) for v in VIEWS), *(("phone", v) for v in SITE)]


def violations(page: Page, axe: str) -> list[str]:
    page.evaluate(axe)
    found = page.evaluate("tags => axe.run(document, {runOnly: tags})", TAGS)
    return [f"{v['id']}: {v['nodes'][0]['html'][:160]} {v['nodes'][0].get('failureSummary', '')[:200]}" for v in found["violations"]]


def open_view(page: Page, view: str, id: str) -> None:
    page.goto(view.format(id=id))
    expect(page.get_by_role("main").first).to_be_visible()
    page.wait_for_load_state("networkidle")


@pytest.mark.parametrize(("size", "view"), LOOKS)
def test_axe(page: Page, load: Any, axe: str, size: str, view: str) -> None:
    width, height = SIZES[size]
    page.set_viewport_size({"width": width, "height": height})
    open_view(page, view, load())
    assert violations(page, axe) == []


@pytest.mark.parametrize("stage", ["vehicle", "life", "power", "wiring", "warmth", "prove"])
def test_axe_by_night(page: Page, load: Any, axe: str, stage: str) -> None:
    page.add_init_script("""localStorage.setItem("bothy.person", JSON.stringify({theme: "night"}))""")
    open_view(page, f"/v/{{id}}/{stage}", load())
    assert violations(page, axe) == []


@pytest.mark.parametrize("stage", ["vehicle", "life", "power", "wiring", "warmth", "prove"])
def test_axe_on_an_empty_design(page: Page, load: Any, axe: str, stage: str) -> None:
    open_view(page, f"/v/{{id}}/{stage}", load(Design()))
    assert violations(page, axe) == []


@pytest.mark.parametrize("name", list(CALCULATORS))
def test_every_sum_has_its_page(page: Page, axe: str, name: str) -> None:
    page.goto(f"/sums/{name}")
    slate = page.get_by_role("complementary", name="Details")
    expect(slate.get_by_role("button").first).to_be_visible()
    assert violations(page, axe) == []


@pytest.mark.parametrize("view", [v for v in VIEWS if "print" not in v])
def test_nothing_runs_out_of_the_frame(page: Page, load: Any, view: str) -> None:
    open_view(page, view, load())
    assert page.evaluate("document.documentElement.scrollWidth") <= 1280
    assert page.evaluate("document.documentElement.scrollHeight") <= 800
