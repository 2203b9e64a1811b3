"""Somebody new: from an empty list to an exported schedule and a judged reading; with the mouse, and with the keyboard alone."""

from __future__ import annotations

import csv
import re
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Any

from playwright.sync_api import Page, expect

STATE = "(s => s && `${s.textContent} ${s.dataset.stamp}`)(document.querySelector('[data-testid=saving]'))"
"""What the header says of saving, with the stamp of design and readings."""


@contextmanager
def saving(page: Page) -> Iterator[None]:
    """What happens inside makes a new revision or takes a reading down; waits until it is saved."""
    before = page.evaluate(STATE)
    yield
    page.wait_for_function(f"before => /^saved r/.test({STATE}) && {STATE} !== before", arg=before)


def tab_to(page: Page, words: str) -> None:
    """Press Tab until a button with these words has the focus."""
    for _ in range(120):
        if words in page.evaluate("document.activeElement.tagName === 'BUTTON' ? document.activeElement.textContent : ''"):
            return
        page.keyboard.press("Tab")
    raise AssertionError(f"Tab does not reach “{words}”")


def test_with_the_mouse(page: Page, tmp_path: Path) -> None:
    page.goto("/")
    expect(page.get_by_text("None yet.")).to_be_visible()
    page.get_by_label("Kind of vehicle").select_option("panel_van")
    page.get_by_label("Name of the project").fill("Tern")
    page.get_by_role("button", name="Begin").click()

    expect(page.get_by_text("the bank stands")).to_be_visible()
    page.get_by_role("button", name="payload, assumed: change").first.click()
    page.get_by_label("payload", exact=True).fill("900 kg")
    page.get_by_label("payload", exact=True).press("Enter")
    expect(page.get_by_role("button", name="payload: change").first).to_contain_text("900")
    with saving(page):
        page.get_by_role("button", name="Bank inside, in the warm").locator("text").last.click()

    page.get_by_role("link", name="Daily use").click()
    page.get_by_role("button", name="Add an appliance", exact=True).click()
    for word, part in (("fridge 50", "Chest fridge 50 L"), ("strip", "strip"), ("pump", "Water pump"), ("kettle", "kettle")):
        page.get_by_label("What is it?").fill(word)
        page.get_by_role("button", name=re.compile(f"^Add .*{part}", re.I)).first.click()
        expect(page.get_by_label("What is it?")).to_have_value("")
    page.get_by_label("What is it?").fill("Bench lamp")
    page.get_by_label("Power", exact=True).fill("1.5 A @ 12 V")
    page.get_by_label("Use", exact=True).fill("3 x 20 min")
    page.get_by_role("button", name="Add", exact=True).click()
    expect(page.get_by_role("gridcell", name="Bench lamp")).to_be_visible()
    expect(page.get_by_role("grid", name="Appliances").get_by_role("row")).to_have_count(6)

    page.get_by_role("link", name="Power").click()
    page.get_by_role("button", name=re.compile("^Use all")).click()
    expect(page.get_by_text("Nothing to suggest: everything is fitted")).to_be_visible()
    expect(page.get_by_role("img", name=re.compile("come in"))).to_be_visible()

    page.get_by_role("link", name="Wiring").click()
    page.get_by_role("button", name=re.compile("^Use all")).click()
    expect(page.get_by_role("grid", name="Circuits")).to_be_visible()
    expect(page.get_by_role("group", name=re.compile("Single-line diagram"))).to_be_visible()
    expect(page.get_by_text("lengths assumed until they are measured")).to_be_visible()
    page.get_by_role("gridcell", name="Chest fridge 50 L").click()
    expect(page.get_by_role("group", name=re.compile("Fuse window"))).to_be_visible()
    with page.expect_download() as download:
        page.get_by_role("button", name=re.compile("^Export")).click()
        page.get_by_role("menuitem", name="Circuit schedule, CSV").click()
    file = tmp_path / "circuits.csv"
    download.value.save_as(file)
    rows = list(csv.reader(file.read_text(encoding="utf-8-sig").splitlines()))
    assert rows[0][0] == "code"
    fridge = next(r for r in rows if "fridge" in r[1].lower())
    assert fridge[6].endswith("mm²")
    assert fridge[12]

    page.get_by_role("link", name="Test").click()
    page.get_by_role("gridcell", name="Battery: terminals and hold-down").click()
    details = page.get_by_role("complementary", name="Details")
    details.get_by_label("Done by").fill("Ada")
    with saving(page):
        details.get_by_role("button", name="As it should be").click()
    expect(details.get_by_role("status")).to_contain_text("passed")
    page.get_by_role("button", name="With power").click()
    expect(page.get_by_text("Locked until the dead tests are passed")).to_be_visible()
    cell = page.get_by_role("row").filter(has_text="Chest fridge 50 L").locator('[data-col="current_a"]')
    cell.click()
    cell.click()
    cell.locator("input").fill("3.6 A")
    cell.locator("input").press("Enter")
    expect(page.get_by_role("alert").filter(has_text="measured under power, and that is locked")).to_be_visible()


def test_with_the_keyboard_alone(page: Page, stored: Any, measured: Any) -> None:
    """Only key presses after the page is there; what has the focus gets them."""
    page.goto("/")
    page.get_by_label("Name of the project").focus()
    page.keyboard.type("Knot")
    page.keyboard.press("Enter")
    expect(page.get_by_text("the bank stands")).to_be_visible()
    id = page.url.split("/v/")[1].split("/")[0]

    page.keyboard.press("2")
    expect(page.get_by_text("What will run in the vehicle?")).to_be_visible()
    page.keyboard.press("n")
    for i, word in enumerate(("fridge", "light", "pump"), 1):
        page.keyboard.type(word)
        expect(page.get_by_role("list", name="From the catalogue").get_by_role("button").first).to_be_visible()
        page.keyboard.press("ArrowDown")
        with saving(page):
            page.keyboard.press("Enter")
        expect(page.get_by_label("What is it?")).to_have_value("")
        assert len(stored(id).life.appliances) == i
    page.keyboard.press("Escape")

    page.keyboard.press("3")
    expect(page.get_by_role("button", name=re.compile("^Use all"))).to_be_visible()
    tab_to(page, "Use all")
    page.keyboard.press("Enter")
    expect(page.get_by_text("Nothing to suggest")).to_be_visible()
    assert stored(id).power.bank is not None

    page.keyboard.press("5")
    expect(page.get_by_text("No circuit yet.")).to_be_visible()
    tab_to(page, "Use all")
    page.keyboard.press("Enter")
    expect(page.get_by_role("grid", name="Circuits")).to_be_visible()

    # measure the first length: into the grid, to its column, type it
    page.keyboard.press("s")
    page.keyboard.press("s")
    for _ in range(4):
        page.keyboard.press("ArrowRight")
    page.keyboard.press("Enter")
    page.keyboard.type("0.7 m")
    with saving(page):
        page.keyboard.press("Enter")
    assert stored(id).wiring.circuits[0].length_m == 0.7

    with saving(page):
        page.keyboard.press("Control+z")
    expect(page.get_by_test_id("saving")).to_have_text(re.compile("saved r"))
    assert stored(id).wiring.circuits[0].length_m is None
    with saving(page):
        page.keyboard.press("Control+Shift+Z")
    assert stored(id).wiring.circuits[0].length_m == 0.7
    page.keyboard.press("Escape")

    page.keyboard.press("-")
    expect(page.get_by_role("grid", name="Steps")).to_be_visible()
    page.get_by_role("button", name="Loops").press("Enter")
    cell = page.get_by_role("grid", name="Loop test").locator('[data-col="loop_mohm"]').first
    cell.focus()
    page.keyboard.press("Enter")
    page.keyboard.type("30")
    with saving(page):
        page.keyboard.press("Enter")
    assert measured(id).readings[0].loop_mohm == 30
    expect(page.get_by_role("grid", name="Loop test")).to_contain_text(re.compile("passes|too high|too low"))

    page.keyboard.press("Escape")
    page.keyboard.press("/")
    page.keyboard.type("print circuit")
    page.keyboard.press("Enter")
    expect(page.get_by_role("heading", name=re.compile("circuit schedule"))).to_be_visible()
