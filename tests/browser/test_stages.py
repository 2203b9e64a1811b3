"""The five stages on Curlew: working behind figures, remedies, dragging, pasting, refusals in place, and huge designs."""

from __future__ import annotations

import re
from contextlib import suppress
from pathlib import Path
from typing import Any

import ezdxf
import pytest
from playwright.sync_api import Locator, Page, expect

from bothy.core.design.document import load_design
from bothy.demo import curlew
from tests.browser.serving import PATIENCE_MS
from tests.browser.test_newcomer import saving
from tests.designs import LAMP, circuit, wired

STAGES = ("vehicle", "life", "power", "wiring", "warmth", "water", "gas", "prove")


def hand(page: Page, id: str, stage: str, key: str = "") -> None:
    page.goto(f"/v/{id}/{stage}{f'?hand={key}' if key else ''}")
    expect(page.get_by_role("complementary", name="Details")).to_be_visible()


def opened(page: Page, button: Locator) -> Locator:
    """The working of a figure that is pressed; a page that is still drawing itself may drop a press, and a person presses again."""
    working = page.get_by_test_id("working").first
    for patience_ms in (PATIENCE_MS / 8, PATIENCE_MS / 8):
        button.evaluate("e => e.click()")
        with suppress(AssertionError):
            expect(working).to_be_visible(timeout=patience_ms)
            return working
    button.evaluate("e => e.click()")
    expect(working).to_be_visible()
    return working


@pytest.mark.parametrize("stage", STAGES)
def test_every_figure_opens_its_working(page: Page, load: Any, stage: str) -> None:
    hand(page, load(), stage)
    figures = page.locator("[data-figure]")
    expect(figures.first).to_be_visible()
    seen = set()
    for i in range(min(figures.count(), 45)):
        button = figures.nth(i)
        key = button.get_attribute("data-figure")
        if key in seen:
            continue
        seen.add(key)
        assert len(opened(page, button).inner_text()) > 5, key
        page.evaluate("document.querySelector('[data-figure][aria-expanded=true]')?.click()")


def test_the_working_goes_back_to_what_was_typed(page: Page, load: Any) -> None:
    hand(page, load(), "wiring", "circuit:front-fridge-90-l")
    page.get_by_role("button", name=re.compile(r"^Voltage drop\s*[\d.]")).first.click()
    working = page.get_by_test_id("working").first
    expect(working).to_contain_text("ΔU = I·R/1000")
    working.get_by_role("button", name="Loop resistance").click()
    working.get_by_role("button", name="Resistance", exact=True).first.click()
    expect(working).to_contain_text("length, one way")
    expect(working).to_contain_text("typed")


def test_one_press_fits_the_remedy_and_undo_takes_it_back(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "wiring", "circuit:front-fridge-90-l")
    fault = page.get_by_text("Voltage drop too high")
    expect(fault.first).to_be_visible()
    page.get_by_role("button", name="Fit 6 mm² and 7.5 A").click()
    expect(fault).to_have_count(0)
    assert stored(id).circuit("front-fridge-90-l").area_mm2 == 6
    page.get_by_role("button", name="undo").click()
    expect(fault.first).to_be_visible()
    assert stored(id).circuit("front-fridge-90-l").area_mm2 == 2.5


def test_a_finding_is_kept_with_a_reason_and_a_danger_only_answered(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "power")
    danger = page.locator('[data-finding="power-charge-below-freezing:bank"]')
    danger.get_by_role("button", name="Respond…").click()
    danger.get_by_label("Reason").fill("ok")
    expect(danger.get_by_role("button", name="Keep")).to_be_disabled()
    danger.get_by_label("Reason").fill("Heated bay comes in November")
    danger.get_by_role("button", name="Keep").click()
    expect(danger).to_contain_text("Responded, still a danger: Heated bay")
    expect(page.get_by_role("link", name="4 dangers, 12 problems, 0 questions open")).to_be_visible()
    fault = page.locator('[data-finding="power-inverter-breaker-small:inverter"]')
    fault.get_by_role("button", name="Accept with a reason…").click()
    fault.get_by_label("Reason").fill("Kettle stays on the hook-up")
    fault.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_role("link", name="4 dangers, 11 problems, 0 questions open")).to_be_visible()
    assert [a.reason for a in stored(id).accepted] == ["Heated bay comes in November", "Kettle stays on the hook-up"]
    fault.get_by_role("button", name="Reopen").click()
    expect(page.get_by_role("link", name="4 dangers, 12 problems, 0 questions open")).to_be_visible()


def test_hours_are_dragged_and_moved_by_key(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "life")
    bar = page.get_by_role("slider", name=re.compile("^Awning light runs 17:00 to 19:00"))
    box = bar.locator("rect").first.bounding_box()
    assert box is not None
    per_hour = box["width"] / 2
    y = box["y"] + box["height"] / 2
    page.mouse.move(box["x"] + per_hour, y)
    page.mouse.down()
    page.mouse.move(box["x"] + per_hour + 2 * per_hour, y, steps=4)
    with saving(page):
        page.mouse.up()
    window = stored(id).appliance("awning-light").windows[0]
    assert (window.from_h, window.to_h) == (19, 21)
    page.get_by_role("slider", name=re.compile("^Awning light")).focus()
    with saving(page):
        page.keyboard.press("ArrowLeft")
    assert stored(id).appliance("awning-light").windows[0].from_h == 18.5
    with saving(page):
        page.keyboard.press("Shift+ArrowRight")
    assert stored(id).appliance("awning-light").windows[0].to_h == 21


def test_rows_are_pasted_with_a_preview_line_by_line(page: Page, load: Any, stored: Any) -> None:
    id = load()
    before = len(stored(id).life.appliances)
    hand(page, id, "life")
    page.get_by_role("button", name="Paste or import…").click()
    page.get_by_label("Table of appliances").fill("name\tpower\tuse\nSpot\t3 W\t2 h\nOven\t40 kW\t1 h\nFan\t9 W\t30 %\n")
    understood = page.get_by_role("table", name="What was understood")
    expect(understood).to_contain_text("Spot: 3 W, 2 h a day")
    expect(understood).to_contain_text("Power must be at most 15000")
    page.get_by_role("button", name="Import 2 appliances, leave out 1").click()
    expect(page.get_by_role("gridcell", name="Spot", exact=True)).to_be_visible()
    assert len(stored(id).life.appliances) == before + 2
    page.keyboard.press("Escape")
    page.get_by_role("button", name="Paste or import…").click()
    page.get_by_label("Table of appliances").fill("colour\nred")
    expect(page.get_by_role("alert")).to_contain_text("are not those of an appliance list")


@pytest.mark.parametrize(
    ("text", "words"),
    [("900 m", "at most 25"), ("-3 m", "at least 1"), ("12 V", "is a voltage, not a length"), ("tall", "has no number"), ("4.4", None), ("14 ft", None)],
)
def test_a_wrong_length_is_refused_in_words_and_nothing_changes(page: Page, load: Any, stored: Any, text: str, words: str | None) -> None:
    id = load()
    hand(page, id, "vehicle")
    page.get_by_role("button", name="inside length: change").first.click()
    field = page.get_by_label("inside length", exact=True)
    field.fill(text)
    if words is None:
        with saving(page):
            field.press("Enter")
        expect(page.get_by_role("alert")).to_have_count(0)
    else:
        field.press("Enter")
        expect(page.get_by_role("alert").first).to_contain_text(words)
        assert stored(id).vehicle.inside_length_m == 4.4


def test_a_size_is_typed_in_either_series(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "wiring", "circuit:front-fridge-90-l")
    size = page.get_by_role("complementary", name="Details").get_by_label("size", exact=True)
    size.fill("10 AWG")
    with saving(page):
        size.press("Enter")
    c = stored(id).circuit("front-fridge-90-l")
    assert (c.awg, c.area_mm2) == ("10", None)
    expect(page.locator('tr[data-row="front-fridge-90-l"]')).to_contain_text("10 AWG")


def test_a_fuse_is_chosen_on_its_window(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "wiring", "circuit:front-fridge-90-l")
    page.get_by_role("button", name="20 A, outside the window").click()
    expect(page.get_by_text("Fuse above the appliance’s maximum").first).to_be_visible()
    assert stored(id).circuit("front-fridge-90-l").fuse_a == 20
    page.get_by_role("button", name="10 A", exact=True).click()
    expect(page.get_by_text("Fuse above the appliance’s maximum")).to_have_count(0)


def test_an_appliance_moves_between_circuits(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "wiring", "circuit:fans")
    with saving(page):
        page.get_by_label("Put an appliance on this circuit").select_option("router")
    on = {c.id: c.appliances for c in stored(id).wiring.circuits}
    assert "router" in on["fans"]
    assert sum("router" in a for a in on.values()) == 1


def test_a_typed_part_is_never_overwritten_by_a_proposal(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "power")
    row = page.get_by_role("listitem").filter(has_text="keeping yours").first
    expect(row.get_by_role("button", name=re.compile("^Use"))).to_be_disabled()
    page.get_by_role("button", name="Solar controller", exact=False).first.click()
    with saving(page):
        page.get_by_label("from the catalogue").select_option(index=2)
    assert stored(id).power.controller.by == "typed"


def test_find_or_do_finds_items_and_does_things(page: Page, load: Any) -> None:
    hand(page, load(), "vehicle")
    page.keyboard.press("/")
    page.keyboard.type("water pump")
    expect(page.get_by_role("option").first).to_contain_text("Water pump")
    page.keyboard.press("Enter")
    expect(page).to_have_url(re.compile("life.*appliance"))
    page.keyboard.press("/")
    page.keyboard.type("night theme")
    page.keyboard.press("Enter")
    assert page.evaluate("document.documentElement.dataset.theme") == "night"


def test_the_keyboard_list_and_findings_by_key(page: Page, load: Any) -> None:
    hand(page, load(), "vehicle")
    page.keyboard.press("?")
    expect(page.get_by_role("dialog", name="Keyboard")).to_contain_text("undo, redo")
    page.keyboard.press("Escape")
    page.keyboard.press("f")
    expect(page).to_have_url(re.compile("/power"))
    expect(page.locator('[data-finding="power-charge-below-freezing:bank"]')).to_be_focused()


def test_us_units_change_what_is_shown_and_not_what_is_stored(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "vehicle")
    page.keyboard.press("/")
    page.keyboard.type("show us units")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="inside length: change").first).to_contain_text(re.compile(r"14\.4.ft"))
    page.get_by_role("button", name="inside length: change").first.click()
    page.get_by_label("inside length", exact=True).fill("15")
    with saving(page):
        page.get_by_label("inside length", exact=True).press("Enter")
    assert stored(id).vehicle.inside_length_m == pytest.approx(15 * 0.3048)


def test_a_stage_or_a_variant_that_is_none_says_so(page: Page, load: Any) -> None:
    page.goto(f"/v/{load()}/thirteenth")
    expect(page.get_by_text("There is no such stage")).to_be_visible()
    page.goto("/v/00000000-0000-0000-0000-000000000000/life")
    expect(page.get_by_role("alert")).to_contain_text("there is no such variant")


def test_html_in_a_name_is_text(page: Page, load: Any) -> None:
    name = "<img src=x onerror=document.title=1>"
    hand(page, load(load_design(wired(circuit(name=name), appliances=[{**LAMP, "name": name}])), name=name), "wiring")
    expect(page.get_by_role("gridcell", name=name)).to_be_visible()
    assert page.title() == "Bothy"


def test_three_hundred_circuits_can_be_worked_on(page: Page, load: Any, stored: Any) -> None:
    many = [{**LAMP, "id": f"l{i}", "name": f"Lamp {i}"} for i in range(300)]
    circuits = [circuit(f"c{i}", appliances=[f"l{i}"]) for i in range(300)]
    id = load(load_design(wired(*circuits, appliances=many, ways=60)))
    hand(page, id, "wiring", "circuit:c299")
    expect(page.get_by_role("grid", name="Circuits").get_by_role("row")).to_have_count(301)
    page.get_by_role("complementary", name="Details").get_by_label("length, one way").fill("5 m")
    with saving(page):
        page.keyboard.press("Enter")
    assert stored(id).circuit("c299").length_m == 5


def test_print_views_hold_the_whole_schedule_and_sheet(page: Page, load: Any, stored: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/print/schedule")
    expect(page.get_by_role("table").first.get_by_role("row")).to_have_count(1 + len(stored(id).wiring.circuits))
    page.emulate_media(media="print")
    expect(page.get_by_role("button", name="Print")).to_be_hidden()
    page.goto(f"/v/{id}/print/sheet")
    expect(page.get_by_role("table").first).to_contain_text("12.41")
    expect(page.get_by_role("table").first).to_contain_text("fails")


def test_the_other_seasons_are_one_press_away(page: Page, load: Any) -> None:
    hand(page, load(), "power")
    expect(page.get_by_role("img", name=re.compile("^A winter day"))).to_be_visible()
    page.get_by_role("button", name="summer", exact=True).click()
    expect(page.get_by_role("img", name=re.compile("^A summer day"))).to_be_visible()
    page.goto(page.url.replace("power", "life"))
    page.get_by_role("button", name="summer", exact=True).click()
    expect(page.get_by_role("img", name=re.compile("by the hour in summer"))).to_be_visible()


def test_a_sub_board_is_built_fed_and_given_three_circuits(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "wiring")
    slate = page.get_by_role("complementary", name="Details")
    with saving(page):
        page.get_by_role("button", name="Add a board").click()
    with saving(page):
        slate.get_by_label("fed from").select_option(label="A House board")
    with saving(page):
        slate.get_by_role("button", name="Add its feeder").click()
    expect(slate).to_contain_text("feeder of a board")
    board = stored(id).wiring.boards[-1].id
    for name in ("lights-kitchen", "fans", "water-pump-10-l-min"):
        hand(page, id, "wiring", f"circuit:{name}")
        with saving(page):
            slate.get_by_label("fed from").select_option(board)
    feeder = next(c for c in stored(id).wiring.circuits if c.kind == "feeder" and c.board == board)
    hand(page, id, "wiring", f"circuit:{feeder.id}")
    with saving(page):
        slate.get_by_role("button", name=re.compile("^Fit .* A$")).first.click()
    design = stored(id)
    assert design.wiring.boards[-1].fed_from == "house"
    assert sum(c.board == board and c.kind == "load" for c in design.wiring.circuits) == 3
    assert design.circuit(feeder.id).area_mm2 > 0
    hand(page, id, "wiring", "circuit:water-pump-10-l-min")
    slate.get_by_role("button", name="Voltage drop from busbar to appliance").first.click()
    expect(slate.get_by_test_id("working").first).to_contain_text(feeder.name)


def test_what_if_moves_the_figures_and_keeps_only_when_told(page: Page, load: Any, stored: Any) -> None:
    id = load()
    hand(page, id, "wiring", "circuit:front-fridge-90-l")
    slate = page.get_by_role("complementary", name="Details")
    slate.get_by_role("button", name="What if").click()
    size = slate.get_by_label("size of the cable")
    size.focus()
    for _ in range(3):
        size.press("ArrowRight")
    expect(slate.get_by_text("goes: Voltage drop too high")).to_be_visible()
    assert stored(id).circuit("front-fridge-90-l").area_mm2 == 2.5
    with saving(page):
        slate.get_by_role("button", name="Keep it").click()
    assert stored(id).circuit("front-fridge-90-l").area_mm2 == 10


def test_the_lists_and_labels_print_what_the_schedule_says(page: Page, load: Any, stored: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/print/labels")
    expect(page.get_by_text("A1+ 7.5A Fridge")).to_have_count(2)
    page.goto(f"/v/{id}/print/lists")
    for name in ("Cable to buy", "Terminals and lugs", "Fuses and spares"):
        expect(page.get_by_role("region", name=name)).to_be_visible()
    expect(page.get_by_role("region", name=re.compile("Loop test")).get_by_role("row")).to_have_count(
        1 + sum(c.kind != "ac" for c in stored(id).wiring.circuits)
    )


def test_a_switch_panel_is_proposed_dragged_bound_and_exported(page: Page, load: Any, stored: Any, tmp_path: Path) -> None:
    data = curlew.design().model_dump(mode="json")
    data["wiring"]["panel"] = None
    id = load(load_design(data))
    hand(page, id, "wiring")
    with saving(page):
        page.get_by_role("button", name="Use Switch panel").click()
    page.get_by_role("button", name="Switch panel", exact=True).click()
    plate = page.get_by_role("group", name=re.compile("^Switch panel, 300 by"))
    thing = plate.get_by_role("button", name=re.compile("^Fans, "))
    box = thing.bounding_box()
    assert box
    before = next(t for t in stored(id).wiring.panel.things if t.label == "Fans")
    page.mouse.move(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    page.mouse.down()
    page.mouse.move(box["x"] + box["width"] / 2 + 60, box["y"] + box["height"] / 2, steps=5)
    with saving(page):
        page.mouse.up()
    after = next(t for t in stored(id).wiring.panel.things if t.label == "Fans")
    assert after.x_mm > before.x_mm + 5
    assert after.x_mm == int(after.x_mm), "on the grid"
    slate = page.get_by_role("complementary", name="Details")
    with saving(page):
        slate.get_by_label("engraved label").fill("Air")
        slate.get_by_label("engraved label").press("Enter")
    page.get_by_role("button", name="Switch panel", exact=True).click()
    page.get_by_role("button", name="Switch panel", exact=True).click()
    with page.expect_download() as got:
        slate.get_by_role("link", name="1:1 DXF").click()
    got.value.save_as(tmp_path / "panel.dxf")
    drawing = ezdxf.readfile(tmp_path / "panel.dxf")
    assert "Air" in [e.dxf.text for e in drawing.modelspace() if e.dxftype() == "TEXT"]
