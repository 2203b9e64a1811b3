"""Trips in the browser: a week is planned, its shortage found and mended, and a thorough run is started and looked at."""

from __future__ import annotations

import re
from typing import Any

from playwright.sync_api import Page, expect

from bothy.core.design.document import load_design
from tests.browser.test_newcomer import saving
from tests.designs import BANK, DCDC, LAMP, MPPT, PANELS, lived


def hungry() -> Any:
    """A design whose lamps ask for more than December gives."""
    data = lived(
        [{**LAMP, "power_w": 40.0, "hours_per_day": 24.0}],
        {"bank": BANK, "arrays": [PANELS], "controller": MPPT, "driving": DCDC},
        place="cardiff",
        from_month=12,
        to_month=12,
    )
    return load_design(data)


def test_a_week_is_planned_its_shortage_found_and_mended(page: Page, load: Any, stored: Any) -> None:
    id = load(hungry())
    page.goto(f"/v/{id}/trips")
    expect(page.get_by_text("No trip yet")).to_be_visible()
    with saving(page):
        page.get_by_role("button", name="Add a place", exact=True).click()
    expect(page.get_by_text(re.compile(r"Power runs short on \d+ % of the days"))).to_be_visible()
    slate = page.get_by_role("complementary")
    slate.get_by_role("button", name="put down").click()
    expect(slate.get_by_text("It runs out on the way")).to_be_visible()
    picture = page.get_by_role("slider", name="Moment of the trip")
    picture.press("ArrowRight")
    expect(page.get_by_text(re.compile(r"charge \d+ %"))).to_be_visible()

    row = page.get_by_role("grid", name="Itinerary").get_by_role("row").nth(1)
    cell = row.locator('[data-col="shore"]')
    cell.click()
    cell.click()
    with saving(page):
        cell.locator("select").select_option("yes")
    expect(page.get_by_text(re.compile(r"Power runs short"))).to_be_visible()  # a hook-up without a charger feeds nothing
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert not stored(id).trips.legs[0].shore
    cell = row.locator('[data-col="drive"]')
    cell.click()
    cell.click()
    cell.locator("input").fill("6 h")
    with saving(page):
        cell.locator("input").press("Enter")
    assert stored(id).trips.legs[0].drive_h == 6

    page.goto(f"/v/{id}/life")
    cell = page.get_by_role("grid", name="Appliances").get_by_role("row").nth(1).locator('[data-col="use"]')
    cell.click()
    cell.click()
    cell.locator("input").fill("3 h")
    with saving(page):
        cell.locator("input").press("Enter")
    page.goto(f"/v/{id}/trips")
    expect(page.get_by_text(re.compile("Nothing that matters goes dark"))).to_be_visible()


def test_the_thorough_run_is_kept_and_marked_when_the_design_moves_on(page: Page, load: Any) -> None:
    page.goto(f"/v/{load()}/trips")
    slate = page.get_by_role("complementary")
    slate.get_by_role("button", name="Run it through 50 weathers").click()
    expect(slate.get_by_text(re.compile("50 weathers: short on"))).to_be_visible()
    page.reload()
    expect(slate.get_by_text(re.compile("50 weathers: short on"))).to_be_visible()
    slate.get_by_label("weathers", exact=True).fill("60")
    with saving(page):
        slate.get_by_label("weathers", exact=True).press("Enter")
    expect(slate.get_by_text("Of revision 1, before later changes.")).to_be_visible()
