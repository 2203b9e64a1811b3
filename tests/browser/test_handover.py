"""Hand over in the browser: pages, where things are, a signature, maintenance, and the book itself on a phone without a network."""

from __future__ import annotations

import re
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from bothy.core.design.edit import apply_patch
from bothy.demo import fiddlehead
from tests.browser.test_newcomer import saving
from tests.browser.test_warmth import slate_of

DAY = "2026-11-28"


@pytest.fixture
def finished(load: Any) -> str:
    """Fiddlehead before anybody wrote where things are."""
    return str(load(apply_patch(fiddlehead.design(), [{"op": "replace", "path": "/handover", "value": {}}]), "Fiddlehead"))


def test_where_things_are_is_written_and_stands_in_the_book(page: Page, finished: str, stored: Any) -> None:
    page.goto(f"/v/{finished}/handover?day={DAY}")
    expect(page.get_by_role("article", name="Switch it off")).to_contain_text("Missing: Where the extinguisher hangs")
    field = slate_of(page).get_by_label("extinguisher", exact=True)
    field.fill("left of the ramp door")
    with saving(page):
        field.blur()
    expect(page.get_by_role("article", name="Switch it off")).to_contain_text("left of the ramp door")
    assert stored(finished).handover.where["extinguisher"] == "left of the ramp door"
    page.get_by_role("navigation", name="Pages of the book").get_by_role("button", name=re.compile("emergency")).click()
    expect(page.get_by_role("article", name="In an emergency")).to_contain_text("Smell of gas")


def test_a_signature_wants_a_licence_and_frees_its_system(page: Page, finished: str) -> None:
    page.goto(f"/v/{finished}/handover?day={DAY}")
    slate = slate_of(page)
    expect(slate).to_contain_text("Not to be handed over yet")
    slate.get_by_label("gas: name").fill("Lou Fitter")
    slate.get_by_label("gas: license").press("Enter")
    expect(slate.get_by_role("alert")).to_contain_text("license")
    slate.get_by_label("gas: license").fill("LP-77")
    with saving(page):
        slate.get_by_label("gas: license").press("Enter")
    expect(slate).to_contain_text("signed by Lou Fitter")
    expect(page.get_by_role("main")).to_contain_text("1 system waits")


def test_a_signature_on_the_glass_stands_in_the_book(page: Page, finished: str, measured: Any) -> None:
    page.goto(f"/v/{finished}/handover?day={DAY}&page=papers")
    slate = slate_of(page)
    form = slate.locator("form").filter(has=page.get_by_label("dc: name"))
    form.get_by_label("dc: name").fill("Ada")
    glass = form.get_by_role("img", name="Field to sign in with a finger or a pen")
    glass.scroll_into_view_if_needed()
    expect(form.get_by_role("button", name="take this signature")).to_be_disabled()
    box = glass.bounding_box()
    assert box
    page.mouse.move(box["x"] + 20, box["y"] + 50)
    page.mouse.down()
    for n in range(12):
        page.mouse.move(box["x"] + 20 + 12 * n, box["y"] + 30 + 25 * (n % 2))
    page.mouse.up()
    form.get_by_role("button", name="take this signature").click()
    expect(form.get_by_role("img", name="Signature of Ada")).to_be_visible()
    with saving(page):
        form.get_by_role("button", name="Enter").click()
    assert len(measured(finished).papers[0].signature) == 64
    shown = page.get_by_role("article", name="Certificates and declarations").get_by_role("img")
    expect(shown).to_be_visible()
    assert shown.evaluate("e => e.naturalWidth") > 100


def test_manuals_and_the_odometer_are_told(page: Page, finished: str, stored: Any, measured: Any) -> None:
    page.goto(f"/v/{finished}/handover?day={DAY}&page=manuals")
    slate = slate_of(page)
    field = slate.get_by_label("Inverter", exact=True)
    field.fill("folder, tab 2")
    with saving(page):
        field.blur()
    expect(page.get_by_role("article", name="Manuals")).to_contain_text("folder, tab 2")
    for label, said in (("odometer at the first trip", "1000 mi"), ("odometer now", "1200 mi")):
        slate.get_by_label(label, exact=True).fill(said)
        with saving(page):
            slate.get_by_label(label, exact=True).press("Enter")
    assert stored(finished).handover.odometer_km == pytest.approx(1931.2, abs=0.05)
    expect(slate).to_contain_text(re.compile(r"111\smi left"))
    slate.get_by_role("button", name=re.compile("^Tyres.*how it was done|^Tires.*how it was done")).click()
    form = slate.get_by_role("form", name=re.compile("^T[yi]res"))
    form.get_by_label("Done by").fill("Lou")
    form.get_by_label("Odometer").fill("1200 mi")
    form.get_by_label("Odometer").press("Enter")
    form.get_by_label("Cost, $").fill("24.50")
    with saving(page):
        form.get_by_role("button", name="Enter").click()
    done = measured(finished).services[0]
    assert (done.item, done.who, done.cost) == ("tyres", "Lou", 24.5)
    assert done.odometer_km == pytest.approx(1931.2, abs=0.05)


def test_maintenance_is_ticked(page: Page, finished: str) -> None:
    page.goto(f"/v/{finished}/handover?day={DAY}&page=care")
    with saving(page):
        slate_of(page).get_by_role("button", name="Battery: voltage, terminals, straps: done today").click()
    expect(page.get_by_role("article", name="Maintenance")).to_contain_text(DAY)


def test_the_book_alone_on_a_phone_without_a_network_tells_what_to_do(page: Page, finished: str, tmp_path: Path) -> None:
    page.goto(f"/v/{finished}/handover?day={DAY}")
    with page.expect_download() as got:
        page.get_by_label("Take the book").select_option("book.html")
    file = tmp_path / "book.html"
    file.write_bytes(got.value.path().read_bytes())
    alone = page.context.browser.new_context(offline=True, viewport={"width": 390, "height": 844})  # type: ignore[union-attr]
    phone = alone.new_page()
    phone.goto(file.as_uri())
    phone.get_by_role("link", name="In an emergency").click()
    expect(phone.get_by_role("region", name="In an emergency")).to_be_in_viewport()
    expect(phone.get_by_text("No flame, no switch, no telephone inside.")).to_be_visible()
    phone.get_by_label("Find in the book").fill("pump")
    expect(phone.get_by_role("region", name="Fuses and spares")).to_be_visible()
    expect(phone.get_by_role("region", name="How it is calculated")).to_be_hidden()
    phone.get_by_label("Find in the book").fill("drain")
    expect(phone.get_by_role("region", name="Water: fill, drain, frost")).to_be_visible()
    assert phone.evaluate("document.documentElement.scrollWidth") <= 390
    alone.close()
