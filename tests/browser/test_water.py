"""Water in the browser: taps are opened and one starves, the remedy is taken and it runs; a tank, a pump and a tap are made from nothing; a test is kept."""

from __future__ import annotations

import re
from typing import Any

from playwright.sync_api import Locator, Page, expect

from bothy.core.design.document import load_design
from tests.browser.test_newcomer import saving
from tests.browser.test_warmth import choose, fill, slate_of
from tests.core.water.test_frost_trip import winter
from tests.core.water.test_water_rules import GREY, INSTANT, LOOP, MAIN, PUMP, SHOWER, SINK, TANK, hot, wet


def tap(page: Page, name: str) -> Locator:
    """A tap of the picture."""
    return page.get_by_role("group", name=re.compile("Water from the side")).get_by_role("button", name=re.compile(f"^{name}"))


def test_the_shower_starves_beside_the_sink_and_runs_after_the_remedy(page: Page, load: Any, stored: Any) -> None:
    thin = {**SHOWER, "inner_diameter_mm": 7.0, "length_m": 7.0, "wanted_l_min": 6.0}
    id = load(load_design(wet(pump=PUMP, runs=[MAIN, SINK, thin])))
    page.goto(f"/v/{id}/water?view=taps&hand=run:shower")
    tap(page, "Shower").click()
    expect(tap(page, "Shower")).to_have_attribute("aria-pressed", "true")
    expect(tap(page, "Shower")).to_contain_text("L/min")
    expect(tap(page, "Shower")).not_to_contain_text("starves")
    tap(page, "Sink").focus()
    page.keyboard.press("Enter")
    expect(tap(page, "Shower")).to_contain_text("starves")
    found = slate_of(page).locator('[data-finding="water-tap-flow-shared:run:shower"]')
    expect(found).to_be_visible()
    with saving(page):
        found.get_by_role("button", name=re.compile("“Shower” in")).click()
    expect(found).to_have_count(0)
    expect(tap(page, "Shower")).not_to_contain_text("starves")
    assert next(r for r in stored(id).water.runs if r.id == "shower").inner_diameter_mm > 7
    page.get_by_role("button", name="Shut all").click()
    expect(tap(page, "Shower")).to_have_attribute("aria-pressed", "false")
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert next(r for r in stored(id).water.runs if r.id == "shower").inner_diameter_mm == 7


def test_water_from_nothing_a_tank_a_pump_and_a_tap(page: Page, load: Any, stored: Any) -> None:
    data = wet()
    data["water"] = {}
    id = load(load_design(data))
    page.goto(f"/v/{id}/water")
    expect(page.get_by_text("No store holds any of it yet")).to_be_visible()
    page.get_by_role("button", name="Tanks", exact=True).click()
    expect(page.get_by_text("Nothing holds or moves water yet")).to_be_visible()
    with saving(page):
        page.get_by_role("button", name="Add a tank (n)").click()
    fill(page, "long, along the vehicle", "900 mm")
    fill(page, "outlet over its zero", "0.01 m")
    assert stored(id).water.tanks[0].prisms[0].length_m == 0.9
    expect(page.get_by_role("grid", name="Tanks").get_by_text("108 L")).to_be_visible()
    expect(slate_of(page).get_by_text("Tank without a vent")).to_be_visible()
    with saving(page):
        slate_of(page).get_by_role("button", name="Fit a vent of 16 mm").click()
    expect(slate_of(page).get_by_text("Tank without a vent")).to_have_count(0)
    page.get_by_role("button", name="Taps", exact=True).click()
    with saving(page):
        slate_of(page).get_by_role("button", name="Add a pump").click()
    for _ in range(2):
        with saving(page):
            page.get_by_role("button", name="Add a run (n)").click()
    choose(page, "at its end", "shower")
    fill(page, "rises", "1.2 m")
    tap(page, "Run 2").click()
    expect(tap(page, "Run 2")).to_contain_text("L/min")
    w = stored(id).water
    assert [r.parent for r in w.runs] == [None, w.runs[0].id]
    page.get_by_role("button", name="Days", exact=True).click()
    expect(slate_of(page).get_by_text("Where does the grey water go?")).to_be_visible()
    choose(page, "grey water goes to", "ground")
    expect(page.get_by_text("then the fresh water is empty")).to_be_visible()
    with saving(page):
        slate_of(page).get_by_role("button", name="Catch it in a container of 15 L").click()
    assert (stored(id).water.grey_to, stored(id).water.container_l) == ("container", 15)


def test_a_tank_that_can_not_be_says_so_by_name(page: Page, load: Any, stored: Any) -> None:
    id = load(load_design(wet()))
    page.goto(f"/v/{id}/water?view=tanks&hand=tank:fresh")
    field = slate_of(page).get_by_label("long, along the vehicle", exact=True)
    field.fill("-1 m")
    field.press("Enter")
    expect(page.get_by_text(re.compile("Length must be more than 0"))).to_be_visible()
    assert stored(id).water.tanks[0].prisms[0].length_m == 0.9


def test_a_pressure_test_is_kept_as_a_record_and_printed(page: Page, load: Any, measured: Any) -> None:
    id = load(load_design(wet(tanks=[TANK, GREY], pump=PUMP, runs=[MAIN, SINK], walls_closed=True)))
    page.goto(f"/v/{id}/water?view=care")
    expect(slate_of(page).get_by_text("Walls are to be closed over untested pipes")).to_be_visible()
    with saving(page):
        page.get_by_role("button", name="Add a pressure test (n)").click()
    fill(page, "pressure at the end", "200 kPa")
    expect(page.get_by_role("grid", name="Pressure tests").get_by_text("leaks")).to_be_visible()
    fill(page, "pressure at the end", "3.25 bar")
    expect(page.get_by_role("grid", name="Pressure tests").get_by_text("holds")).to_be_visible()
    assert measured(id).water_tests[0].end_kpa == 325
    page.get_by_role("link", name="Water sheets for paper").click()
    expect(page.get_by_role("region", name="Pressure tests").get_by_text("holds")).to_be_visible()
    expect(page.get_by_role("region", name="Drain-down for winter")).to_be_visible()
    page.get_by_role("link", name="Back").click()
    expect(page.get_by_role("button", name="Care and tests")).to_have_attribute("aria-pressed", "true")


def test_the_trip_shows_its_tanks(page: Page, load: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/trips")
    expect(page.get_by_text("Grey tank is full on the trip")).to_be_visible()
    expect(page.get_by_role("slider", name="Moment of the trip").get_by_text("grey water")).to_be_visible()


def test_a_finding_of_water_leads_to_its_view(page: Page, load: Any) -> None:
    page.goto(f"/v/{load()}/power")
    expect(slate_of(page)).to_be_visible()
    page.keyboard.press("/")
    page.keyboard.type("Exposed water part freezes")
    expect(page.get_by_role("option").first).to_contain_text("Exposed water part freezes")
    page.keyboard.press("Enter")
    page.wait_for_url(re.compile(r"/water\?view=tanks"))
    expect(page.get_by_role("button", name="Tanks", exact=True)).to_have_attribute("aria-pressed", "true")


def test_the_trip_names_the_nights_on_which_a_tank_freezes(page: Page, load: Any, stored: Any) -> None:
    id = load(load_design(winter()))
    page.goto(f"/v/{id}/trips")
    frost = slate_of(page).get_by_role("region", name="Frost on the way")
    expect(frost).to_contain_text(re.compile(r"Fresh under 0 °C on \d of 6 nights: \d+ Jan"))
    expect(slate_of(page).get_by_text("Water freezes on the trip")).to_be_visible()
    page.goto(f"/v/{id}/water?view=tanks&hand=tank:fresh")
    choose(page, "stands", "inside")
    assert stored(id).water.tanks[0].place == "inside"
    page.goto(f"/v/{id}/trips")
    expect(page.get_by_role("slider", name="Moment of the trip")).to_be_visible()
    expect(frost).to_have_count(0)


def test_hot_water_from_the_loop_of_warmth(page: Page, load: Any, stored: Any) -> None:
    data = {**hot(INSTANT, source="gas"), "warmth": LOOP}
    id = load(load_design(data))
    page.goto(f"/v/{id}/water?view=hot")
    choose(page, "heated by", "loop")
    assert stored(id).water.hot.source == "loop"
    expect(slate_of(page).get_by_text("Nothing heats the water")).to_have_count(0)
    page.goto(f"/v/{id}/warmth?view=ducts&hand=loopzone:x")
    with saving(page):
        slate_of(page).get_by_role("button", name=re.compile("^(Take|Remove) this zone")).click()
    page.goto(f"/v/{id}/water?view=hot")
    expect(slate_of(page).get_by_text("Nothing heats the water")).to_be_visible()
