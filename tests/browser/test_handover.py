"""Hand over in the browser: pages, where things are, a signature, maintenance, and the book itself on a phone without a network."""

from __future__ import annotations

import re
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from bothy.demo import fiddlehead
from tests.browser.test_newcomer import saving
from tests.browser.test_warmth import slate_of

DAY = "2026-11-28"


@pytest.fixture
def finished(load: Any) -> str:
    return str(load(fiddlehead.design(), "Fiddlehead"))


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
    slate.get_by_label("gas: licence").press("Enter")
    expect(slate.get_by_role("alert")).to_contain_text("licence")
    slate.get_by_label("gas: licence").fill("LP-77")
    with saving(page):
        slate.get_by_label("gas: licence").press("Enter")
    expect(slate).to_contain_text("signed by Lou Fitter")
    expect(page.get_by_role("main")).to_contain_text("1 system waits")


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
    expect(phone.get_by_role("region", name="How it was reckoned")).to_be_hidden()
    phone.get_by_label("Find in the book").fill("drain")
    expect(phone.get_by_role("region", name="Water: fill, drain, frost")).to_be_visible()
    assert phone.evaluate("document.documentElement.scrollWidth") <= 390
    alone.close()
