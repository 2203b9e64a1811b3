"""Openings of sides and floor in the browser: set out, moved by keys and by mouse, a pillar seen and left, the template, the floor, the paper."""

from __future__ import annotations

import io
import re
from typing import Any

import pytest
from ezdxf.filemanagement import read as read_dxf
from playwright.sync_api import Page, expect

from tests.browser.test_newcomer import saving
from tests.browser.test_warmth import slate_of
from tests.core.sides.test_sides import at, van


def cuts(stored: Any, id: str) -> dict[str, Any]:
    return {c.of: c for c in stored(id).fit.sides.cuts}


def test_all_is_set_out_and_a_window_moved_off_a_pillar(page: Page, load: Any, stored: Any) -> None:
    id = load(van(), "Plover")
    page.goto(f"/v/{id}/fit?view=sides")
    with saving(page):
        page.get_by_role("button", name=re.compile("^Set out 4")).click()
    expect(page.get_by_role("main")).to_contain_text("4 openings are cut")
    page.get_by_role("button", name=re.compile("^right side")).click()
    window = page.locator('[data-pane="sides"] [data-thing="window:side"]')
    window.focus()
    before = cuts(stored, id)["window:side"].u_m
    with saving(page):
        page.keyboard.press("ArrowRight")
    with saving(page):
        page.keyboard.press("Shift+ArrowUp")
    moved = cuts(stored, id)["window:side"]
    assert (moved.u_m, moved.v_m) == (pytest.approx(before + 0.01), pytest.approx(1.151))
    slate = slate_of(page)
    along = slate.get_by_label("middle, from the rear")
    with saving(page):
        along.fill("1.0 m")
        along.press("Enter")
    expect(slate).to_contain_text("goes through Pillar 1")
    with saving(page):
        slate.get_by_role("button", name=re.compile("^Move it")).click()
    expect(slate).not_to_contain_text("goes through Pillar 1")
    with page.expect_download() as got:
        slate.get_by_role("link", name="DXF, from outside").click()
    doc = read_dxf(io.StringIO(got.value.path().read_text()))
    cut = next(e for e in doc.modelspace() if e.dxf.layer == "CUT")
    xs = [p[0] for p in cut.get_points()]
    assert max(xs) - min(xs) == pytest.approx(500)
    window.focus()
    with saving(page):
        page.keyboard.press("Delete")
    assert "window:side" not in cuts(stored, id)


def test_a_cut_is_dragged_and_the_floor_is_looked_at(page: Page, load: Any, stored: Any) -> None:
    id = load(van(at("flue:heater", "floor", 2.0, 0.3, 40, 40, radius_mm=20), members=[], floor_looked=False), "Plover")
    page.goto(f"/v/{id}/fit?view=sides&face=floor")
    expect(slate_of(page)).to_contain_text("Nothing entered for the floor")
    with saving(page):
        page.get_by_label("somebody lay under it").check()
    assert stored(id).fit.sides.floor_looked
    with saving(page):
        page.get_by_role("button", name="Add what lies there").click()
    assert stored(id).fit.sides.members[0].kind == "chassis_rail"
    flue = page.locator('[data-pane="sides"] [data-thing="flue:heater"]')
    box = flue.bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x - 60, y - 40, steps=6)
    with saving(page):
        page.mouse.up()
    moved = cuts(stored, id)["flue:heater"]
    assert moved.u_m > 2.1 and moved.v_m < 0.2, "to the front, and off the left"
    slate = slate_of(page)
    expect(slate).to_contain_text("Sleeve and seal")
    expect(slate).to_contain_text("30 mm clear of anything that burns")
    page.goto(f"/v/{id}/print/openings")
    expect(page.get_by_role("heading", name="Floor", exact=True)).to_be_visible()
    expect(page.get_by_text("At each hole in the floor, in this order")).to_be_visible()


def test_an_own_opening_is_added_sized_and_removed_on_the_phone(page: Page, load: Any, stored: Any) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    id = load(van(), "Plover")
    page.goto(f"/v/{id}/fit?view=sides")
    with saving(page):
        page.get_by_label("Add an opening").select_option("filler")
    slate = slate_of(page)
    with saving(page):
        slate.get_by_role("button", name="Set it out").click()
    with saving(page):
        slate.get_by_label("Take a part’s sizes").select_option(label="Water filler with lock, 76 mm (Fenwater)")
    taken = cuts(stored, id)["hole:filler"]
    assert (taken.length_mm, taken.radius_mm, taken.clamp_max_mm, taken.measured) == (76, 38, 70, True)
    size = slate.get_by_label("height", exact=True)
    with saving(page):
        size.fill("80 mm")
        size.press("Enter")
    c = cuts(stored, id)["hole:filler"]
    assert (c.length_mm, c.height_mm, c.radius_mm, c.measured) == (80, 80, 40, True), "a round hole stays round"
    with saving(page):
        slate.get_by_role("button", name="Remove it").click()
    assert not stored(id).fit.sides.own and "hole:filler" not in cuts(stored, id)
    assert page.evaluate("document.documentElement.scrollWidth") <= 390
