"""The worklist: reached from the counters, several remedies as one change, questions answered, all by keyboard, and on a phone."""

from __future__ import annotations

import re
from typing import Any

from playwright.sync_api import Page, expect

from bothy.core.proposing import accept
from bothy.core.report import report
from tests.browser.test_newcomer import saving
from tests.designs import FRIDGE, LAMP, lived, made

COUNTERS = re.compile("^Worklist: ")


def ordinary() -> Any:
    pump = {**LAMP, "id": "pump", "name": "Pump", "kind": "pump", "power_w": 48.0, "hours_per_day": 0.3}
    return accept(made(lived([LAMP, FRIDGE, pump])))[0]


def test_ticked_remedies_are_one_change_that_undo_takes_back(page: Page, load: Any, stored: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/power")
    page.get_by_role("link", name=COUNTERS).click()
    listed = page.get_by_role("main", name="Worklist")
    expect(listed).not_to_contain_text("still being worked out")
    counts = re.compile(r"(\d+) dangers, (\d+) problems.*open in this design")
    found = counts.search(listed.get_by_text(counts).last.inner_text())
    assert found
    dangers, problems = found.groups()
    counted = re.compile(f"^Worklist: {dangers} dangers, {problems} problems")  # the plan of the build counts there too
    expect(page.get_by_role("link", name=counted)).to_be_visible()
    before = stored(id)
    page.get_by_role("checkbox", name="Include: Fit 6 mm² and 7.5 A, A1 Fridge").check()
    page.get_by_role("checkbox", name="Include: Lay a pipe of 11.6 mm, Branch to the washroom").check()
    with saving(page):
        page.get_by_role("button", name="Apply 2 as one change").click()
    expect(listed).to_contain_text(f"{dangers} dangers, {int(problems) - 1} problems")
    assert stored(id).circuit("front-fridge-90-l").area_mm2 == 6
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert stored(id) == before


def test_from_the_proposals_to_a_clean_list(page: Page, load: Any, stored: Any) -> None:
    """What Bothy fits leaves questions only: each is answered with one press."""
    design = ordinary()
    assert not [f.rule for f in report(design).findings if f.severity in ("danger", "fault")]
    id = load(design)
    page.goto(f"/v/{id}/worklist")
    expect(page.get_by_role("link", name="Worklist: 0 dangers, 0 problems")).to_be_visible()
    said = page.get_by_role("region", name="Say it", exact=True)
    expect(said).to_be_visible()
    while said.count():
        row = said.locator("[data-finding]").first
        answer = row.get_by_role("button").first
        if "reason" in answer.inner_text():
            answer.click()
            row.get_by_label("Reason").fill("Settled on the vehicle")
            answer = row.get_by_role("button", name="Keep", exact=True)
        with saving(page):
            answer.click()
    expect(page.get_by_role("link", name="Worklist: 0 dangers, 0 problems, 0 questions open")).to_be_visible()
    assert stored(id).wiring.isolator_a


def test_by_keyboard_alone_and_to_its_place_and_back(page: Page, load: Any, stored: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/life")
    expect(page.get_by_role("complementary", name="Details")).to_be_visible()
    page.keyboard.press("l")
    expect(page.get_by_role("main", name="Worklist")).to_be_visible()
    page.get_by_role("region", name="Open lines").focus()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowDown")
    title = page.evaluate("document.activeElement.textContent")
    page.keyboard.press("Enter")
    expect(page.locator("article:focus")).to_contain_text(title)
    page.go_back()
    expect(page.get_by_role("main", name="Worklist")).to_be_visible()


def test_on_a_phone_nothing_runs_out_of_the_screen(page: Page, load: Any) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    page.goto(f"/v/{load()}/worklist")
    expect(page.get_by_role("main", name="Worklist")).to_be_visible()
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
