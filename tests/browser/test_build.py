"""Build in the browser: a Saturday on the phone, a wall that is refused and then closed, a short delivery, a plan that says why, keys alone."""

from __future__ import annotations

import datetime as dt
import re
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from bothy.demo import curlew
from tests.browser.test_newcomer import saving
from tests.browser.test_warmth import slate_of
from tests.core.build.test_build_plan import design
from tests.formats.test_picture import photo

DAY = "2027-03-06"


@pytest.fixture
def building(load: Any) -> str:
    return str(load(design(), "Plover"))


def facts(page: Page, id: str) -> Any:
    """What is written down of a variant."""
    return page.request.get(f"/api/variants/{id}").json()["recorded"]["facts"]


def test_a_saturday_on_the_phone(page: Page, building: str) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"/v/{building}/build?day={DAY}")
    first = page.get_by_role("listitem", name="Weigh the vehicle empty, both axles")
    first.get_by_role("button", name="Start").click()
    expect(first.get_by_role("button", name="Done", exact=True)).to_be_visible()
    page.reload()
    first = page.get_by_role("listitem", name="Weigh the vehicle empty, both axles")
    with saving(page):
        first.get_by_role("button", name="Done", exact=True).click()
    expect(page.get_by_role("listitem", name="Remove linings, seats, old floor and bulkhead trim")).to_be_visible()
    log = facts(page, building)["log"]
    assert [(e["task"], e["done_frac"], e["on"]) for e in log] == [("plan-weigh-empty", 1.0, DAY)]


def test_hours_are_written_down_by_hand_and_struck_again(page: Page, building: str) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=tasks&hand=task:strip-out")
    slate = slate_of(page)
    expect(slate).to_contain_text("Why this date")
    slate.get_by_label(re.compile("^Hours of")).fill("lots")
    slate.get_by_role("button", name="Done", exact=True).click()
    expect(slate.get_by_role("alert")).to_contain_text("a number from 0 to 200")
    slate.get_by_label(re.compile("^Hours of")).fill("9,5")
    with saving(page):
        slate.get_by_role("button", name="Done", exact=True).click()
    expect(slate).to_contain_text("done ·")
    assert facts(page, building)["log"][0]["hours"] == 9.5
    with saving(page):
        slate.get_by_role("button", name="strike").click()
    expect(slate).to_contain_text("not begun ·")
    assert facts(page, building)["log"] == []


def test_a_wall_is_refused_until_what_is_behind_it_is_proved(page: Page, load: Any) -> None:
    id = str(load(curlew.design(), "Curlew"))
    page.goto(f"/v/{id}/build?day={DAY}&view=gates")
    page.get_by_role("button", name=re.compile("^Right wall")).click()
    expect(page.get_by_role("status").filter(has_text="Don’t close it")).to_be_visible()
    expect(page.get_by_label("Closed by")).to_have_count(0)
    table = page.get_by_role("table", name="Behind right wall")
    proof = table.get_by_role("checkbox", checked=False, disabled=False, name=re.compile(": (done|tested)$"))
    for left in range(proof.count(), 0, -1):
        with saving(page):
            proof.first.click()
        expect(proof).to_have_count(left - 1)
    expect(page.get_by_text("It may be closed", exact=False)).to_be_visible()
    page.get_by_label("Closed by").fill("Wren")
    with saving(page):
        page.get_by_role("button", name="Close the right wall").click()
    expect(page.get_by_text("by Wren")).to_be_visible()
    assert facts(page, id)["closings"][0]["id"] == "wall_right"


def test_a_short_delivery_is_told(page: Page, building: str) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=shopping")
    page.get_by_role("grid", name="Shopping").get_by_text("Bank", exact=True).click()
    slate = slate_of(page)
    with saving(page):
        slate.get_by_role("button", name="It is here").click()
    for label, value in (("expected", "3"), ("came", "2")):
        with saving(page):
            field = slate.get_by_label(label, exact=True)
            field.fill(value)
            field.press("Enter")
    expect(slate.get_by_role("status")).to_contain_text("1 short")
    page.get_by_role("button", name="clear selection").click()
    expect(slate_of(page)).to_contain_text("The order “Bank” came with 2 instead of 3")


def test_people_move_the_end_and_a_pin_says_why(page: Page, building: str, stored: Any) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=weeks")
    before = page.get_by_role("main").locator("p").first.inner_text()
    with saving(page):
        slate_of(page).get_by_role("button", name="Add a person").click()
    slate_of(page).get_by_text("Builder 1: weekends").click()
    with saving(page):
        slate_of(page).get_by_label("works").select_option("full_time")
    expect(page.get_by_role("main").locator("p").first).not_to_have_text(before)
    page.get_by_role("button", name=re.compile("^Remove linings")).first.click()
    with saving(page):
        slate_of(page).get_by_label("not before").fill("2027-04-10")
    expect(slate_of(page)).to_contain_text("You pinned it")
    assert stored(building).build.pins[0].day == "2027-04-10"
    expect(page.get_by_test_id("gate").first).to_be_attached()


def test_a_task_is_dragged_to_another_week_and_taken_back_by_key(page: Page, building: str, stored: Any) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=weeks")
    plan = page.get_by_role("group", name="The plan by zones and weeks")
    expect(plan.get_by_role("button").first).to_be_visible()
    bars = plan.get_by_role("button")
    widest = bars.evaluate_all("all => all.map(b => b.querySelector('rect')?.getBoundingClientRect().width ?? 0).reduce((m, w, i, a) => (w > a[m] ? i : m), 0)")
    task = bars.nth(widest)
    name = (task.get_attribute("aria-label") or "").split(",")[0]
    box = plan.bounding_box()
    at = task.locator("rect").first.bounding_box()
    assert box and at
    page.mouse.move(at["x"] + 3, at["y"] + 5)
    page.mouse.down()
    page.mouse.move(at["x"] + 30, at["y"] + 5, steps=4)
    page.mouse.move(at["x"] + 0.1 * box["width"], at["y"] + 5, steps=4)
    expect(page.get_by_test_id("ghost")).to_contain_text("not before")
    with saving(page):
        page.mouse.up()
    pin = stored(building).build.pins[0]
    held = plan.get_by_role("button", name=re.compile(f"^{re.escape(name)}.*not before"))
    expect(held).to_be_visible()
    expect(page.get_by_role("status", name="What moved")).to_contain_text(re.compile("finish moved|another day"))
    held.focus()
    with saving(page):
        page.keyboard.press("ArrowRight")
    later = stored(building).build.pins[0]
    assert (dt.date.fromisoformat(later.day) - dt.date.fromisoformat(pin.day)).days == 1
    held.focus()
    with saving(page):
        page.keyboard.press("Delete")
    assert stored(building).build.pins == []
    with saving(page):
        page.keyboard.press("Control+z")
    assert stored(building).build.pins == [later]


def test_the_finish_is_asked_for(page: Page, building: str) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=weeks")
    slate_of(page).get_by_role("button", name="When is it done, at worst?").click()
    expect(slate_of(page)).to_contain_text("with a chance of 80 % by", timeout=60_000)
    expect(page.get_by_test_id("rope")).to_be_attached()


def test_an_order_that_ends_sooner_is_used_and_given_up_again(page: Page, load: Any, stored: Any) -> None:
    id = load(curlew.design(), "Curlew, nothing done")
    page.goto(f"/v/{id}/build?day=2026-10-03&view=weeks")
    slate = slate_of(page)
    slate.get_by_role("button", name="Could it be done sooner?").click()
    use = slate.get_by_role("button", name="Use this order")
    expect(use).to_be_visible(timeout=90_000)
    with saving(page):
        use.click()
    assert len(stored(id).build.order) > 50
    expect(slate).to_contain_text("in an order that was searched for")
    with saving(page):
        slate.get_by_role("button", name="Go by urgency again").click()
    assert not stored(id).build.order


def test_a_plan_is_kept_and_drawn_behind_the_weeks(page: Page, building: str, stored: Any) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=weeks")
    slate = slate_of(page)
    with saving(page):
        slate.get_by_role("button", name="Keep this plan to compare with").click()
    expect(slate).to_contain_text("as it was")
    expect(page.get_by_test_id("kept").first).to_be_attached()
    assert stored(building).build.baseline.day == DAY
    with saving(page):
        slate.get_by_role("button", name="Forget it").click()
    assert stored(building).build.baseline is None


def test_the_days_ahead_are_typed_where_no_service_answers(page: Page, building: str, stored: Any) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=weeks")
    slate = slate_of(page)
    slate.get_by_role("button", name="Take the forecast").click()
    expect(slate.get_by_role("alert")).to_contain_text("no forecast service answers")
    with saving(page):
        slate.get_by_role("button", name="Add a day").click()
    low = slate.get_by_label(f"Low of {DAY}")
    with saving(page):
        low.fill("-4 °C")
        low.press("Enter")
    with saving(page):
        slate.get_by_label(f"Wet on {DAY}").check()
    with saving(page):
        slate.get_by_role("button", name="Add a day").click()
    first, second = stored(building).build.coming
    assert (first.day, first.low_c, first.rain_frac, second.day) == (DAY, -4, 0.8, "2027-03-07")
    page.goto(f"/v/{building}/build?day={DAY}")
    expect(page.get_by_role("main")).to_contain_text(re.compile("by the forecast: −?4 to"))
    page.goto(f"/v/{building}/build?day={DAY}&view=weeks")
    with saving(page):
        slate_of(page).get_by_role("button", name="Forget the forecast").click()
    assert not stored(building).build.coming


def test_money_is_set_aside_for_a_service(page: Page, building: str, stored: Any) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=log")
    field = page.get_by_label("Budget of workshop")
    field.fill("12,50")
    with saving(page):
        field.press("Enter")
    assert stored(building).build.budgets == {"workshop": 12.5}
    expect(slate_of(page)).to_contain_text("of its budget")
    field.fill("")
    with saving(page):
        field.press("Enter")
    assert not stored(building).build.budgets


def test_files_are_taken(page: Page, building: str) -> None:
    page.goto(f"/v/{building}/build?day={DAY}")
    for kind, start in (("plan.ics", b"BEGIN:VCALENDAR"), ("shopping.csv", b"\xef\xbb\xbfwhat")):
        with page.expect_download() as got:
            page.get_by_label("Take a file").select_option(kind)
        assert got.value.path().read_bytes().startswith(start)


def test_keys_alone_reach_a_task_and_write_it_down(page: Page, building: str) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=tasks")
    cell = page.get_by_role("grid", name="Tasks").get_by_role("gridcell").nth(1)
    cell.focus()
    page.keyboard.press("ArrowDown")
    expect(slate_of(page)).to_contain_text("It takes")
    slate_of(page).get_by_label(re.compile("^Hours of")).focus()
    page.keyboard.type("2")
    with saving(page):
        page.keyboard.press("Enter")
    assert len(facts(page, building)["log"]) == 1


def test_a_photograph_is_taken_at_the_wall(page: Page, load: Any, tmp_path: Path) -> None:
    """The gate asks for one; it is scaled, kept, shown, and struck; what is no picture is named."""
    id = load()
    file = tmp_path / "wall.jpg"
    file.write_bytes(photo(2400, 1600))
    (tmp_path / "note.txt").write_text("no picture")
    page.goto(f"/v/{id}/build?view=gates&day={DAY}")
    page.get_by_role("group", name="Surface").get_by_role("button").filter(has_not_text="closed").first.click()
    field = page.locator("input[type=file][aria-label^='Photograph of']").first
    name = str(field.get_attribute("aria-label")).removeprefix("Photograph of ")
    with saving(page):
        field.set_input_files(file)
    shown = page.get_by_role("list", name=f"Photographs of {name}").get_by_role("img")
    expect(shown).to_have_count(1)
    assert page.evaluate("e => e.naturalWidth", shown.element_handle()) == 320
    kept = facts(page, id)["photos"]
    assert [(p["width"], p["height"]) for p in kept] == [(1600, 1067)]
    page.locator("input[type=file][aria-label^='Photograph of']").first.set_input_files(tmp_path / "note.txt")
    expect(page.get_by_role("alert").filter(has_text="note.txt")).to_contain_text("no picture")
    with saving(page):
        page.get_by_role("button", name=f"Strike this photograph of {name}").click()
    assert facts(page, id)["photos"] == []


def test_a_cable_is_cut_from_an_offcut_and_what_is_left_goes_back(page: Page, load: Any) -> None:
    id = load(curlew.design(), "Whimbrel")
    page.goto(f"/v/{id}/build?day={DAY}&view=shopping&hand=buy:cable-2-5-mm-red")
    slate = slate_of(page)
    expect(slate).to_contain_text("Cut it like this")
    expect(slate).to_contain_text("New, 10 m")
    slate.get_by_label("In stock of Cable 2.5 mm², red").fill("7 m")
    slate.get_by_label("In stock of Cable 2.5 mm², red").press("Enter")
    slate.get_by_label("Where it lies").fill("Blue box")
    with saving(page):
        slate.get_by_role("button", name="Add to stock").click()
    expect(slate).to_contain_text("Offcut of 7.00 m, Blue box")
    expect(slate).to_contain_text("wiring, 1 × 10 m")
    with saving(page):
        slate.get_by_role("button", name=re.compile("^All cut: keep")).click()
    page.get_by_role("button", name=re.compile(r"^In stock \(\d\)")).click()
    region = page.get_by_role("region", name="In stock")
    expect(region.get_by_role("row")).to_have_count(3)
    stock = facts(page, id)["stock"]
    assert sorted(round(s["amount"], 2) for s in stock) == [0.54, 1.45] and {s["place"] for s in stock} == {"Blue box", ""}
    with saving(page):
        region.get_by_role("button", name=re.compile("^Strike")).first.click()
    assert len(facts(page, id)["stock"]) == 1


def test_quotes_come_back_in_a_table(page: Page, building: str) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=shopping")
    page.get_by_role("button", name="Quotes…").click()
    page.get_by_role("button", name="From a table…").click()
    page.get_by_label("Table of quotes").fill("key\tquoted price\tdays to deliver\tsupplier\npower-bank\t799.90\t20\tThe shop\nmoon\t5\t1\t\n")
    expect(page.get_by_role("table", name="What was understood")).to_contain_text("the shopping list has no “moon”")
    with saving(page):
        page.get_by_role("button", name="Import 1 quote, leave out 1").click()
    expect(page.get_by_role("region", name="Import quotes")).to_have_count(0)
    assert facts(page, building)["quotes"][0]["price"] == 799.9


def test_another_fuse_than_designed_is_looked_at_before_the_design_follows(page: Page, load: Any) -> None:
    id = load(curlew.design(), "Dunlin")
    page.goto(f"/v/{id}/build?day={DAY}&view=log")
    region = page.get_by_role("region", name="Built otherwise")
    region.get_by_label("What was built otherwise").select_option("circuit:front-fridge-90-l")
    region.get_by_label("Which of its values").select_option("fuse_a")
    region.get_by_label("fuse as built").fill("60 A")
    region.get_by_label("fuse as built").press("Enter")
    region.get_by_label("Why").fill("None other in the box")
    region.get_by_role("button", name="What does it change?").click()
    expect(region.get_by_role("status").get_by_text("danger").first).to_be_visible()
    with saving(page):
        region.get_by_role("button", name="It was built so all the same").click()
    expect(region).to_contain_text("fuse 60 A (designed")
    kept = facts(page, id)["as_built"][0]
    assert (kept["value"], kept["built"], kept["reason"]) == ("fuse", "60 A", "None other in the box")
    circuits = page.request.get(f"/api/variants/{id}").json()["design"]["wiring"]["circuits"]
    assert next(c for c in circuits if c["id"] == "front-fridge-90-l")["fuse_a"] == 60


def test_the_week_on_paper_and_by_day(page: Page, building: str) -> None:
    page.goto(f"/v/{building}/build?day={DAY}&view=weeks")
    page.get_by_role("button", name="a week, by day").click()
    expect(page.get_by_role("group", name="The plan by zones and weeks")).to_contain_text("Sat 6 Mar")
    page.get_by_role("link", name="Print the week").click()
    expect(page.get_by_role("main", name="The week")).to_contain_text("Weigh the vehicle empty, both axles")
    expect(page.get_by_role("main", name="The week")).to_contain_text("To be ordered by then")


def test_a_task_is_ticked_one_by_one(page: Page, load: Any) -> None:
    """Four panels: a tick each; the task goes with them, and a tick taken back opens it again."""
    id = str(load(curlew.design(), "Curlew"))
    page.goto(f"/v/{id}/build?view=tasks&hand=task:fit-solar")
    slate = slate_of(page)
    expect(slate.get_by_text("One by one: 0 of 4 ticked")).to_be_visible()
    slate.get_by_text("One by one").click()
    boxes = slate.get_by_role("listitem").filter(has=page.get_by_role("checkbox"))
    for n in range(4):
        with saving(page):
            boxes.nth(n).get_by_role("checkbox").click()
        expect(slate.get_by_text(f"One by one: {n + 1} of 4 ticked")).to_be_visible()
        if n == 3:
            slate.get_by_text("One by one").click()
    log = [e for e in facts(page, id)["log"] if e["task"] == "fit-solar"]
    assert [e["done_frac"] for e in log] == [0.25, 0.5, 0.75, 1.0] and all(len(e["items"]) == 1 for e in log)
    with saving(page):
        boxes.nth(0).get_by_role("checkbox").click()
    expect(slate.get_by_text("One by one: 3 of 4 ticked")).to_be_visible()
    log = [e for e in facts(page, id)["log"] if e["task"] == "fit-solar"]
    assert [e["done_frac"] for e in log] == [0.5, 0.75, 0.75]


def test_the_other_ways_to_build_are_compared_and_taken(page: Page, building: str, stored: Any) -> None:
    page.goto(f"/v/{building}/build?day={DAY}")
    slate = slate_of(page)
    slate.get_by_text("What the other way costs").click()
    rows = slate.get_by_role("row")
    expect(rows).to_have_count(8)
    expect(rows.filter(has_text="a reserve in every task")).to_contain_text("+")
    with saving(page):
        slate.get_by_label("reserve", exact=True).select_option("tasks")
    expect(rows.filter(has_text="one reserve at the end")).to_contain_text("−")
    assert stored(building).build.buffers == "tasks"
