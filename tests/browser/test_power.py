"""Power in the browser: a second array with a controller of its own gets its cable and goes with it; snow, a generator's can and a file's years run
in the trip."""

from __future__ import annotations

import re
from typing import Any

from playwright.sync_api import Page, expect

from bothy.core.design.document import load_design
from bothy.demo import curlew
from tests.browser.test_newcomer import saving
from tests.browser.test_trips import lasting
from tests.designs import CHARGER
from tests.weather import table, year


def test_a_case_on_the_ground_gets_its_own_controller_its_cable_and_goes_with_it(page: Page, load: Any, stored: Any) -> None:
    id = load(curlew.design())
    page.goto(f"/v/{id}/power")
    slate = page.get_by_role("complementary")
    expect(page.get_by_role("grid", name="Panels")).to_be_visible()
    with saving(page):
        page.keyboard.press("n")
    expect(slate.get_by_label("controller", exact=True)).to_be_visible()
    with saving(page):
        slate.get_by_label("stands", exact=True).select_option("ground")
    with saving(page):
        slate.get_by_label("controller", exact=True).select_option("mppt-75-10")
    made = stored(id).power.arrays[1]
    assert (made.deploy, made.tilt_deg, made.azimuth_deg) == ("ground", 45, None)
    assert made.controller is not None
    expect(slate.get_by_text("No disconnect for the panels")).to_be_visible()
    with saving(page):
        slate.get_by_role("button", name="Add a double-pole disconnect").click()
    expect(page.get_by_text(re.compile("together .* on a mean day of winter"))).to_be_visible()
    page.goto(f"/v/{id}/wiring")
    with saving(page):
        page.get_by_role("button", name=re.compile("^Use .*Solar charge, ")).click()
    cable = next(c for c in stored(id).wiring.circuits if c.array == made.id)
    assert cable.fuse_a is not None

    page.goto(f"/v/{id}/wiring?hand=circuit:{cable.id}")
    expect(slate.get_by_label("leads from the controller of")).to_have_value(made.id)
    page.goto(f"/v/{id}/power?hand=array:{made.id}")
    with saving(page):
        slate.get_by_role("button", name="Remove").click()
    assert len(stored(id).power.arrays) == 1
    assert all(c.array is None for c in stored(id).wiring.circuits)
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert cable.id in {c.id for c in stored(id).wiring.circuits}


def generating() -> Any:
    """A hungry trip with a generator that has a small can."""
    data = lasting().model_dump(mode="json")
    data["power"] |= {"shore": CHARGER, "generator": {"name": "Set", "rating_w": 900.0, "store": 2.0}}
    data["trips"]["legs"] = [{"id": "a", "place": "cardiff", "days_count": 6, "generator_h": 3.0}]
    return load_design(data)


def test_the_generators_can_is_drawn_and_told_when_it_is_empty(page: Page, load: Any, stored: Any) -> None:
    id = load(generating())
    page.goto(f"/v/{id}/trips")
    slate = page.get_by_role("complementary")
    expect(slate.get_by_text(re.compile(r"The generator’s can of 2 L is empty on"))).to_be_visible()
    expect(slate.get_by_role("region", name="Generator on the way")).to_contain_text("of petrol; in half of the simulated trips the fuel is out on")
    page.get_by_role("slider", name="Moment of the trip").press("End")
    expect(page.get_by_text(re.compile(r"· generator 0.L"))).to_be_visible()
    with saving(page):
        slate.get_by_label("snow lies on the panels").check()
    with saving(page):
        slate.get_by_label("swept off at").fill("9")
        slate.get_by_label("swept off at").press("Enter")
    assert stored(id).trips.snow_cleared_h == 9


def test_the_years_of_a_file_are_run_as_they_were(page: Page, load: Any, stored: Any, tmp_path: Any) -> None:
    id = load(lasting())
    page.goto(f"/v/{id}/trips?view=places")
    page.get_by_role("button", name="Import a weather file").click()
    file = tmp_path / "three-years.csv"
    file.write_text(table(year(days=1096)), encoding="utf-8")
    page.get_by_label("Weather file", exact=True).set_input_files(file)
    for label, text in (("latitude °N", "48.1"), ("longitude °E", "11.6")):
        page.get_by_label(label).fill(text)
        page.get_by_label(label).press("Tab")
    page.get_by_label("a time marks the").select_option("start")
    expect(page.get_by_text("It holds 3 whole years")).to_be_visible()
    with saving(page):
        page.get_by_role("button", name="Add as a place").click()
    place = stored(id).trips.places[0]
    data = stored(id).model_dump(mode="json")
    data["trips"]["legs"] = [{"id": "a", "place": place.id, "days_count": 6}]
    id = load(load_design(data))
    page.goto(f"/v/{id}/trips")
    slate = page.get_by_role("complementary")
    slate.get_by_text("Modelling choices").click()
    with saving(page):
        slate.get_by_label("weather", exact=True).select_option("replay")
    lines = slate.get_by_role("region", name="Year by year").get_by_role("listitem")
    expect(lines).to_have_count(3)
    expect(slate.get_by_text("The weather of 3 years of the files, 2001 to 2003, each as it was.")).to_be_visible()
