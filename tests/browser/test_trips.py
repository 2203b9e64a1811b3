"""Trips in the browser: a week is planned, its shortage found and mended, and a thorough run is started and looked at."""

from __future__ import annotations

import re
from typing import Any

from playwright.sync_api import Page, expect

from bothy.core.design.document import load_design
from tests.browser.test_newcomer import saving
from tests.designs import BANK, DCDC, LAMP, MPPT, PANELS, lived
from tests.formats.test_itinerary import EDINBURGH, INVERNESS, drive, gpx
from tests.weather import epw, year


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
    slate.get_by_role("button", name="clear selection").click()
    expect(slate.get_by_text("Supplies run out on the trip")).to_be_visible()
    picture = page.get_by_role("slider", name="Moment of the trip")
    picture.press("ArrowRight")
    expect(page.get_by_text(re.compile(r"charge \d+\s%"))).to_be_visible()

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
    expect(page.get_by_text(re.compile("Everything runs in all of|What must run always runs"))).to_be_visible()


def test_the_thorough_run_is_kept_and_marked_when_the_design_moves_on(page: Page, load: Any) -> None:
    page.goto(f"/v/{load()}/trips")
    slate = page.get_by_role("complementary")
    slate.get_by_role("button", name="Simulate 50 trips").click()
    expect(slate.get_by_text(re.compile("50 simulated trips: short on"))).to_be_visible()
    page.reload()
    expect(slate.get_by_text(re.compile("50 simulated trips: short on"))).to_be_visible()
    slate.get_by_label("simulated trips", exact=True).fill("60")
    with saving(page):
        slate.get_by_label("simulated trips", exact=True).press("Enter")
    expect(slate.get_by_text("Of revision 1, before later changes.")).to_be_visible()


def lasting() -> Any:
    """A design whose trip runs short, with parts of the catalogue to search among."""
    data = hungry().model_dump(mode="json")
    data["trips"] = {
        "start_date": "2026-10-12",
        "draw_count": 16,
        "legs": [{"id": "a", "place": "cardiff", "days_count": 5}, {"id": "b", "place": "manchester", "days_count": 2, "drive_h": 4.0}],
    }
    data["life"]["from_month"] = data["life"]["to_month"] = 10
    data["sizing"] = {"panels_most": 4, "chemistries": ["lifepo4"]}
    return load_design(data)


def test_the_searchs_answer_is_taken_over_and_the_shortage_is_gone(page: Page, load: Any, stored: Any) -> None:
    id = load(lasting())
    page.goto(f"/v/{id}/trips")
    expect(page.get_by_text(re.compile(r"Power runs short on \d+ % of the days"))).to_be_visible()
    page.get_by_role("button", name="Find parts").click()
    page.get_by_role("button", name="Search", exact=True).click()
    expect(page.get_by_role("button", name="Search again")).to_be_visible()
    expect(page.get_by_text(re.compile("^For the least money:"))).to_be_visible()
    row = page.get_by_role("grid", name="Sets of parts").get_by_role("row").filter(has_text="found:")
    row.focus()
    row.get_by_text("found:").click()
    slate = page.get_by_role("complementary")
    with saving(page):
        slate.get_by_role("button", name="Put it into this variant").click()
    expect(page.get_by_text(re.compile("Everything runs in all of|What must run always runs|Power runs short on [0-2] % of the days"))).to_be_visible()
    assert stored(id).power.bank.part is not None
    page.get_by_role("button", name="Find parts").click()
    expect(page.get_by_text("Of revision 1, before later changes.")).to_be_visible()
    page.get_by_role("button", name="undo").click()
    page.get_by_role("button", name="Trip", exact=True).click()
    expect(page.get_by_text(re.compile(r"Power runs short on \d+ % of the days"))).to_be_visible()


def test_a_school_becomes_a_variant_beside_this_one(page: Page, load: Any) -> None:
    id = load(lasting())
    page.goto(f"/v/{id}/trips?view=beside")
    grid = page.get_by_role("grid", name="Supplies side by side")
    expect(grid.get_by_text("Lead instead of lithium")).to_be_visible()
    grid.get_by_text("Lead instead of lithium").click()
    page.get_by_role("complementary").get_by_role("button", name="Make it a variant beside this one").click()
    page.wait_for_url(lambda url: id not in url)
    expect(page.get_by_role("banner").get_by_text("Lead instead of lithium")).to_be_visible()
    page.get_by_role("button", name="Side by side").click()
    expect(grid.get_by_text("as planned")).to_be_visible()
    expect(grid.get_by_text("Lithium instead of lead")).to_be_visible()


def test_an_itinerary_comes_from_a_track_and_goes_away_as_a_table(page: Page, load: Any, stored: Any, tmp_path: Any) -> None:
    id = load(lasting())
    page.goto(f"/v/{id}/trips")
    page.get_by_role("button", name="Import…").click()
    track = tmp_path / "days.gpx"
    track.write_text(gpx(drive(INVERNESS, EDINBURGH, "2026-11-02T08:00:00", 3.5), [(57.9, -5.2, "2026-11-05T12:00:00Z")]), encoding="utf-8")
    page.get_by_label("File of legs").set_input_files(track)
    expect(page.get_by_text("2026-11-02 Edinburgh: 3 days, 3.5 h of driving")).to_be_visible()
    with saving(page):
        page.get_by_role("button", name="Import 2 legs").click()
    trips = stored(id).trips
    assert trips.start_date == "2026-11-02"
    assert [x.place for x in trips.legs] == ["edinburgh", "near_inverness"]
    expect(page.get_by_role("grid", name="Itinerary").get_by_text(re.compile("km from Inverness"))).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("link", name="Export, CSV").click()
    text = download.value.path().read_text(encoding="utf-8")
    assert "2026-11-02,Edinburgh,,,3" in text
    assert "57.9,-5.2" in text


def test_a_weather_file_becomes_a_place_of_the_trip(page: Page, load: Any, stored: Any, tmp_path: Any) -> None:
    id = load(lasting())
    page.goto(f"/v/{id}/trips?view=places")
    page.get_by_role("button", name="Import a weather file").click()
    file = tmp_path / "made-up.epw"
    file.write_text(epw(year()), encoding="utf-8")
    page.get_by_label("Weather file", exact=True).set_input_files(file)
    expect(page.get_by_text("Nothing odd")).to_be_visible()
    with saving(page):
        page.get_by_role("button", name="Add as a place").click()
    expect(page.get_by_role("img", name=re.compile("Sun and air of"))).to_be_visible()
    place = stored(id).trips.places[0]
    assert place.weather.day_count == 365
    page.get_by_role("button", name="Trip", exact=True).click()
    cell = page.get_by_role("grid", name="Itinerary").get_by_role("row").nth(1).locator('[data-col="place"]')
    cell.click()
    cell.click()
    with saving(page):
        cell.locator("select").select_option(place.id)
    assert stored(id).trips.legs[0].place == place.id


def test_a_log_is_laid_over_the_run_and_its_fit_taken_over(page: Page, load: Any, stored: Any, tmp_path: Any) -> None:
    id = load(lasting())
    page.goto(f"/v/{id}/trips?view=measured")
    page.get_by_role("button", name="Import a log").click()
    log = tmp_path / "october.csv"
    log.write_text("time;V;A\n" + "".join(f"2026-10-{12 + h // 24} {h % 24:02d}:00;13.2;{-5 - h % 3}\n" for h in range(120)), encoding="utf-8")
    page.get_by_label("Log file", exact=True).set_input_files(log)
    expect(page.get_by_text("Still to be told: whether a positive current charges or discharges the bank.")).to_be_visible()
    page.get_by_label("a positive current").select_option("charges")
    page.get_by_role("button", name="Import 120 lines").click()
    expect(page.get_by_text(re.compile(r"october.csv: over 120 hours the run uses \d+ % less than was measured"))).to_be_visible()
    slate = page.get_by_role("complementary")
    with saving(page):
        slate.get_by_role("button", name="Use the fitted values").click()
    assert stored(id).life.appliances[-1].trust == "measured"
    expect(slate.get_by_role("button", name="Use the fitted values")).to_have_count(0)


def test_living_at_one_place_runs_month_by_month_and_back(page: Page, load: Any, stored: Any) -> None:
    id = load(lasting())
    page.goto(f"/v/{id}/trips")
    with saving(page):
        page.get_by_role("button", name="Just live there").click()
    expect(page.get_by_role("grid", name="Month by month").get_by_text("October 2026")).to_be_visible()
    expect(page.get_by_text(re.compile("Living at Cardiff"))).to_be_visible()
    slate = page.get_by_role("complementary")
    slate.get_by_label("a hook-up every … days").fill("7")
    with saving(page):
        slate.get_by_label("a hook-up every … days").press("Enter")
    assert stored(id).trips.live.hookup_every_d == 7
    with saving(page):
        page.get_by_role("button", name="Back to a plan", exact=True).click()
    expect(page.get_by_role("grid", name="Itinerary")).to_be_visible()
