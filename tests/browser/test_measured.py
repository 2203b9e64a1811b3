"""What was measured, in the browser: undo leaves it, a copy has none until it is the one being built, a changed circuit makes its reading old."""

from __future__ import annotations

from typing import Any

from playwright.sync_api import Page, expect

from tests.browser.test_newcomer import saving

FRIDGE = "front-fridge-90-l"


def test_a_reading_outlives_undo_and_says_when_its_circuit_was_changed(page: Page, load: Any, measured: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/prove?view=readings")
    row = page.get_by_role("row").filter(has_text="Fridge")
    cell = row.locator('[data-col="load_voltage_v"]')
    cell.click()
    cell.click()
    cell.locator("input").fill("12.4")
    with saving(page):
        cell.locator("input").press("Enter")
    slate = page.get_by_role("complementary", name="Details")
    expect(slate).to_contain_text("judged against revision 1")
    page.goto(f"/v/{id}/wiring")
    page.get_by_role("row").filter(has_text="Fridge").first.click()
    length = page.get_by_role("row").filter(has_text="Fridge").first.locator('[data-col="length"]')
    length.click()
    length.click()
    length.locator("input").fill("9 m")
    with saving(page):
        length.locator("input").press("Enter")
    page.goto(f"/v/{id}/prove?view=readings")
    page.get_by_role("row").filter(has_text="Fridge").click()
    expect(slate.get_by_text("Reading is older than the design")).to_be_visible()
    expect(page.get_by_role("row").filter(has_text="Fridge")).to_contain_text("older")
    with saving(page):
        page.get_by_role("button", name="undo").click()
    expect(slate.get_by_text("Reading is older than the design")).to_have_count(0)
    assert next(r for r in measured(id).readings if r.circuit == FRIDGE).load_voltage_v == 12.4
    with saving(page):
        slate.get_by_role("button", name="Strike this reading").click()
    assert FRIDGE not in {r.circuit for r in measured(id).readings}


def test_a_copy_is_a_plan_until_it_is_the_one_being_built(page: Page, load: Any) -> None:
    load()
    page.goto("/")
    page.get_by_role("button", name="copy as a variant").click()
    page.get_by_role("link", name="Open Curlew, copy 1").click()
    page.wait_for_url("**/vehicle")
    page.goto(page.url.replace("/vehicle", "/prove?view=readings"))
    note = page.get_by_role("note").filter(has_text="is a plan")
    expect(note).to_contain_text("“as planned”")
    expect(page.get_by_role("main")).to_contain_text("0 of")
    note.get_by_role("button", name="Build “copy 1” instead").click()
    expect(note).to_have_count(0)
    expect(page.get_by_role("main")).to_contain_text("22 of")
