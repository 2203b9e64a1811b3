"""The roof in the browser: a fan on a rib is seen, shifted and cut by its template; panels are laid out; keys, a layout undone, the sheet on paper."""

from __future__ import annotations

import io
import re
from typing import Any

import pytest
from ezdxf.filemanagement import read as read_dxf
from playwright.sync_api import Locator, Page, expect

from bothy.core.design.edit import apply_patch
from bothy.demo import curlew
from tests.browser.test_newcomer import saving
from tests.browser.test_warmth import slate_of
from tests.core.roof.test_roof_rules import planned, spots


def on_roof(page: Page, key: str) -> Locator:
    return page.locator(f'[data-pane="roof"] [data-thing="{key}"]')


@pytest.fixture
def ribbed(load: Any) -> str:
    """A van whose fan sits on a rib."""
    return str(load(planned(spots=spots(fan={"x_m": 3.40})), "Ribbed"))


def test_a_fan_on_a_rib_is_seen_shifted_and_its_template_laid(page: Page, ribbed: str, stored: Any) -> None:
    page.goto(f"/v/{ribbed}/fit?view=roof&hand=onroof:fan:fan")
    slate = slate_of(page)
    expect(slate).to_contain_text("goes through rib 4")
    with saving(page):
        slate.get_by_role("button", name=re.compile("between the ribs")).click()
    expect(slate).not_to_contain_text("goes through rib 4")
    assert stored(ribbed).fit.roof.spot("fan:fan").x_m >= 3.509
    expect(slate).to_contain_text("Nominal size of its kind")
    with saving(page):
        slate.get_by_label("Take a part’s sizes").select_option(label="Roof fan 400, both ways, remote (Ottermere)")
    expect(slate.get_by_label("corner radius")).to_have_value("30 mm")
    expect(slate).to_contain_text("480 × 480 × 140 mm")
    length = slate.get_by_label("length, along it")
    with saving(page):
        length.fill("360 mm")
        length.press("Enter")
    with page.expect_download() as got:
        slate.get_by_role("link", name="DXF, from above").click()
    path = got.value.path()
    doc = read_dxf(io.StringIO(path.read_text()))
    cut = next(e for e in doc.modelspace() if e.dxf.layer == "CUT")
    xs = [p[0] for p in cut.get_points()]
    assert max(xs) - min(xs) == pytest.approx(360)
    expect(slate.get_by_text("Order of work")).to_be_visible()


def test_speeds_are_typed_as_they_are_driven(page: Page, ribbed: str, stored: Any) -> None:
    page.goto(f"/v/{ribbed}/fit?view=roof")
    for label, text in (("driven at most", "60 mph"), ("into a wind of", "36 km/h")):
        field = slate_of(page).get_by_label(label)
        with saving(page):
            field.fill(text)
            field.press("Enter")
    wind = "v.design.fit.roof.bonding.headwind_m_s"  # a slow machine may write the first field twice before the second
    page.wait_for_function(f"id => fetch(`/api/variants/${{id}}`).then(r => r.json()).then(v => {wind} !== null && {wind} < 12)", arg=ribbed)
    bonds = stored(ribbed).fit.roof.bonding
    assert (bonds.speed_kmh, bonds.headwind_m_s) == pytest.approx((96.56, 10.0), abs=0.01)


def test_keys_move_turn_and_take_off(page: Page, ribbed: str, stored: Any) -> None:
    page.goto(f"/v/{ribbed}/fit?view=roof")
    panel = on_roof(page, "panel:roof-1")
    panel.focus()
    with saving(page):
        page.keyboard.press("ArrowLeft")
    with saving(page):
        page.keyboard.press("Shift+ArrowLeft")
    assert stored(ribbed).fit.roof.spot("panel:roof-1").x_m == pytest.approx(0.111)
    with saving(page):
        page.keyboard.press("r")
    assert stored(ribbed).fit.roof.spot("panel:roof-1").turned
    with saving(page):
        page.keyboard.press("Delete")
    assert stored(ribbed).fit.roof.spot("panel:roof-1") is None
    expect(page.get_by_role("button", name="Lay out 1 on the roof")).to_be_visible()


def test_a_drag_says_what_is_in_the_way(page: Page, ribbed: str, stored: Any) -> None:
    page.goto(f"/v/{ribbed}/fit?view=roof")
    box = on_roof(page, "fan:fan").bounding_box()
    other = on_roof(page, "panel:roof-1").bounding_box()
    assert box is not None and other is not None
    page.mouse.move(box["x"] + 10, box["y"] + 10)
    page.mouse.down()
    page.mouse.move(other["x"] + 20, other["y"] + 20, steps=5)
    expect(page.get_by_test_id("ghost")).to_contain_text("mm: Panels, panel")
    with saving(page):
        page.mouse.up()
    expect(on_roof(page, "fan:fan")).to_be_visible()
    assert "fit-roof-overlap" in found(page, ribbed)
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert stored(ribbed).fit.roof.spot("fan:fan").x_m == pytest.approx(3.4)


def found(page: Page, id: str) -> list[str]:
    """Rules that speak now."""
    answer = page.request.get(f"/api/variants/{id}/export/report.json").json()
    return [f["rule"] for f in answer["findings"]]


def test_everything_is_laid_out_in_one_edit_and_undone(page: Page, load: Any, stored: Any) -> None:
    bare = apply_patch(curlew.design(), [{"op": "replace", "path": "/fit/roof", "value": {}}])
    id = load(bare, "Bare roof")
    page.goto(f"/v/{id}/fit?view=roof")
    with saving(page):
        page.get_by_role("button", name=re.compile("Lay out .* on the roof")).click()
    expect(page.get_by_role("status").filter(has_text="panels")).to_contain_text("of 4 panels")
    assert len(stored(id).fit.roof.spots) >= 6
    assert stored(id).fit.place("power:array-roof") is None, "an array laid out panel by panel gives its old place up"
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert not stored(id).fit.roof.spots


def test_a_gland_is_added_shadow_and_beads_are_shown_and_the_sheet_prints(page: Page, ribbed: str, stored: Any) -> None:
    page.goto(f"/v/{ribbed}/fit?view=roof")
    with saving(page):
        page.get_by_label("Add to the roof").select_option("gland")
    expect(slate_of(page).get_by_role("heading", name="Cable gland")).to_be_visible()
    with saving(page):
        slate_of(page).get_by_role("button", name="Put it on the roof").click()
    assert stored(ribbed).fit.roof.spot("roof:cable-gland") is not None
    page.get_by_label("lines of adhesive").check()
    expect(page.get_by_test_id("bead").first).to_be_attached()
    page.get_by_label("shadow", exact=True).check()
    expect(page.get_by_test_id("shadow").first).to_be_attached()
    page.goto(f"/v/{ribbed}/print/roof")
    expect(page.get_by_role("heading", name="At each hole, in this order")).to_be_visible()
    expect(page.get_by_role("main")).to_contain_text("356 × 356, r 25")


def test_a_day_that_is_too_early_is_a_danger(page: Page, ribbed: str, stored: Any) -> None:
    page.goto(f"/v/{ribbed}/fit?view=roof")
    slate = slate_of(page)
    with saving(page):
        slate.get_by_label("bonded on").fill("2027-03-01")
    with saving(page):
        slate.get_by_label("driven on").fill("2027-03-03")
    expect(slate).to_contain_text("Driven before it has cured")
    expect(slate).to_contain_text("h later")
