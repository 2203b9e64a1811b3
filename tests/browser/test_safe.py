"""Nothing is lost: two tabs in conflict, a reload in the middle, the server away; files that are none."""

from __future__ import annotations

import re
from pathlib import Path
from typing import Any

from playwright.sync_api import BrowserContext, Page, expect

from bothy.store.projects import Projects
from tests.browser.test_newcomer import saving


def change_people(page: Page, text: str) -> None:
    page.get_by_role("button", name="people: change").click()
    page.get_by_label("people", exact=True).fill(text)
    page.get_by_label("people", exact=True).press("Enter")


def test_two_tabs_on_the_same_value_are_asked(context: BrowserContext, page: Page, load: Any, stored: Any) -> None:
    id = load()
    other = context.new_page()
    for tab in (page, other):
        tab.goto(f"/v/{id}/life")
        expect(tab.get_by_role("button", name="people: change")).to_be_visible()
    with saving(page):
        change_people(page, "3")
    change_people(other, "4")
    asked = other.get_by_role("alert")
    expect(asked).to_contain_text("Another tab changed people")
    expect(asked).to_contain_text("Theirs: 3")
    expect(asked).to_contain_text("Yours: 4")
    assert stored(id).life.people == 3, "nothing is overwritten silently"
    with saving(other):
        other.get_by_role("button", name="Use mine").click()
    assert stored(id).life.people == 4


def test_two_tabs_on_different_values_do_not_disturb_each_other(context: BrowserContext, page: Page, load: Any, stored: Any) -> None:
    id = load()
    other = context.new_page()
    for tab in (page, other):
        tab.goto(f"/v/{id}/life")
        expect(tab.get_by_role("button", name="people: change")).to_be_visible()
    with saving(page):
        change_people(page, "3")
    other.get_by_role("button", name="driving per day: change").click()
    other.get_by_label("driving per day", exact=True).fill("2 h")
    with saving(other):
        other.get_by_label("driving per day", exact=True).press("Enter")
    design = stored(id)
    assert (design.life.people, design.life.drive_h_per_day) == (3, 2)
    expect(other.get_by_role("button", name="people: change")).to_contain_text("3 people")


def test_what_was_typed_while_the_server_was_away_survives_a_reload(page: Page, load: Any, stored: Any, complaints: list[str]) -> None:
    id = load()
    page.goto(f"/v/{id}/life")
    expect(page.get_by_role("button", name="people: change")).to_be_visible()
    page.route("**/api/variants/*", lambda route: route.abort() if route.request.method == "PATCH" else route.continue_())
    change_people(page, "5")
    expect(page.get_by_test_id("saving")).to_have_text(re.compile("kept here, not sent yet"))
    expect(page.get_by_text("Trying again every two seconds")).to_be_visible()
    expect(page.get_by_role("button", name="people: change")).to_contain_text("5 people")
    assert stored(id).life.people == 2
    page.unroute("**/api/variants/*")
    page.reload()
    expect(page.get_by_test_id("saving")).to_have_text("saved r2")
    expect(page.get_by_role("button", name="people: change")).to_contain_text("5 people")
    assert stored(id).life.people == 5
    assert complaints == []


def test_a_reload_in_the_middle_keeps_stage_and_hand(page: Page, load: Any) -> None:
    page.goto(f"/v/{load()}/wiring")
    page.get_by_role("gridcell", name="Fans").click()
    page.reload()
    expect(page.get_by_role("heading", name=re.compile("Fans"))).to_be_visible()


def test_a_project_file_goes_out_in_and_a_damaged_one_is_refused(page: Page, load: Any, tmp_path: Path) -> None:
    load()
    page.goto("/")
    with page.expect_download() as download:
        page.get_by_role("link", name="Export").click()
    good = tmp_path / "curlew.bothy.json"
    download.value.save_as(good)
    page.get_by_label("Project file").set_input_files(good)
    expect(page).to_have_url(re.compile("/vehicle$"))  # what was brought in is opened
    expect(page.get_by_text("Curlew 2")).to_be_visible()
    page.goto("/")
    expect(page.get_by_role("row").filter(has_text="Curlew")).to_have_count(2)
    bad = tmp_path / "bad.json"
    bad.write_text(good.read_text(encoding="utf-8").replace('"people": 2', '"people": -2'), encoding="utf-8")
    page.get_by_label("Project file").set_input_files(bad)
    expect(page.get_by_role("alert")).to_contain_text("variants[0].design.life.people: must be at least 1")
    empty = tmp_path / "empty.json"
    empty.write_text("", encoding="utf-8")
    page.get_by_label("Project file").set_input_files(empty)
    expect(page.get_by_role("alert")).to_contain_text("is empty")
    expect(page.get_by_role("row").filter(has_text="Curlew")).to_have_count(2)


def test_put_away_asks_first_and_can_be_taken_back(page: Page, load: Any) -> None:
    load()
    page.goto("/")
    page.get_by_role("button", name="Delete…").click()
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("row").filter(has_text="Curlew")).to_have_count(1)
    page.get_by_role("button", name="Delete…").click()
    page.get_by_role("button", name="Delete", exact=True).click()
    expect(page.get_by_text("None yet.")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("row").filter(has_text="Curlew")).to_have_count(1)


def test_a_project_is_renamed_and_copied_as_a_variant(page: Page, load: Any) -> None:
    load()
    page.goto("/")
    page.get_by_role("button", name="Rename").click()
    page.get_by_label("Name", exact=True).fill("Whimbrel")
    page.get_by_label("Name", exact=True).press("Enter")
    expect(page.get_by_text("Whimbrel")).to_be_visible()
    page.get_by_role("button", name="copy as a variant").click()
    expect(page.get_by_role("link", name="Open Whimbrel, copy 1")).to_be_visible()


def test_sums_answer_as_one_types_and_name_what_is_wrong(page: Page) -> None:
    page.goto("/sums/voltage-drop")
    slate = page.get_by_role("complementary", name="Details")
    expect(slate).to_contain_text("Voltage drop")
    page.get_by_label("length", exact=True).fill("10 m")
    page.get_by_label("length", exact=True).press("Enter")
    expect(slate).to_contain_text(re.compile(r"1\.108.V"))
    page.get_by_label("current", exact=True).fill("500 A")
    page.get_by_label("current", exact=True).press("Enter")
    expect(slate.get_by_role("alert")).to_contain_text("Current: 500 A")
    page.get_by_role("button", name="Back to the example").click()
    expect(slate.get_by_role("alert")).to_have_count(0)
    expect(slate).to_contain_text(re.compile(r"0\.5541.V"))
    slate.get_by_role("button", name="Voltage drop").click()
    expect(slate).to_contain_text("ΔU = I·R/1000")
    page.goto("/sums/teapot")
    expect(page.get_by_role("alert")).to_contain_text("There is no sum called")


def test_a_quantity_typed_while_nothing_answers_is_understood_kept_and_sent(page: Page, load: Any, stored: Any) -> None:
    """The network is off: not even its reading is asked for. Another tab takes over what a closed one left."""
    id = load()
    page.goto(f"/v/{id}/life")
    expect(page.get_by_test_id("saving")).to_have_text("saved r1")
    page.context.set_offline(True)
    page.get_by_role("button", name="driving per day: change").click()
    field = page.get_by_label("driving per day", exact=True)
    field.fill("so long")
    field.press("Enter")
    expect(page.get_by_role("alert").filter(has_text="write for example")).to_be_visible()
    field.fill("1 h 45 min")
    field.press("Enter")
    expect(page.get_by_test_id("saving")).to_have_text(re.compile("kept here, not sent yet"))
    page.context.set_offline(False)
    expect(page.get_by_test_id("saving")).to_have_text("saved r2")
    assert stored(id).life.drive_h_per_day == 1.75


def test_a_tab_closed_while_away_leaves_its_edits_to_the_one_that_stays(page: Page, load: Any, stored: Any) -> None:
    id = load()
    other = page.context.new_page()
    for tab in (page, other):
        tab.goto(f"/v/{id}/life")
        expect(tab.get_by_test_id("saving")).to_have_text("saved r1")
    other.route("**/api/variants/*", lambda route: route.abort() if route.request.method == "PATCH" else route.continue_())
    change_people(other, "5")
    expect(other.get_by_test_id("saving")).to_have_text(re.compile("kept here, not sent yet"))
    page.reload()
    expect(page.get_by_test_id("saving")).to_have_text("saved r1")
    assert stored(id).life.people == 2, "its own tab still has it"
    other.close()
    expect(page.get_by_test_id("saving")).to_have_text("saved r2")
    assert stored(id).life.people == 5


def test_an_answer_that_is_dropped_makes_the_edit_once(page: Page, load: Any, stored: Any, engine: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/life")
    expect(page.get_by_test_id("saving")).to_have_text("saved r1")
    dropped: list[str] = []

    def drop(route: Any) -> None:
        if route.request.method == "PATCH" and not dropped:
            dropped.append(route.request.headers["edit-id"])
            route.fetch()
            route.abort()
        else:
            route.continue_()

    page.route("**/api/variants/*", drop)
    change_people(page, "5")
    expect(page.get_by_test_id("saving")).to_have_text("saved r2")
    assert len(dropped) == 1
    assert stored(id).life.people == 5
    assert Projects(engine).head(id).revision == 2
    expect(page.get_by_role("alertdialog")).to_have_count(0)


def test_what_is_typed_on_a_cell_goes_into_it(page: Page, load: Any, stored: Any) -> None:
    """No shortcut fires: neither a digit, which would leave the stage, nor the n of a new line."""
    id = load()
    page.goto(f"/v/{id}/life")
    page.locator('[data-cell="2:0"]').click()
    page.keyboard.press("n")
    page.keyboard.type("ight fridge")
    with saving(page):
        page.keyboard.press("Enter")
    assert "night fridge" in [a.name for a in stored(id).life.appliances]
    with saving(page):
        page.keyboard.press("Control+z")
    assert "night fridge" not in [a.name for a in stored(id).life.appliances]
    page.keyboard.press("Escape")
    page.keyboard.press("n")
    expect(page.get_by_label("What is it?")).to_be_focused()
    page.get_by_role("list", name="From the catalogue").get_by_role("button").first.click()
    expect(page.get_by_label("What is it?")).to_be_focused()
    count = len(stored(id).life.appliances)
    page.keyboard.type("water pump 3")
    expect(page.get_by_label("What is it?")).to_have_value("water pump 3")
    assert len(stored(id).life.appliances) == count
    assert page.url.endswith("/life") or "/life?" in page.url
