"""Wiring in the browser: the diagram, raceways, circuits from a table, papers, and the loop test."""

from __future__ import annotations

import re
from pathlib import Path
from typing import Any

from playwright.sync_api import Page, expect

from bothy.demo import curlew
from tests.browser.test_newcomer import saving


def test_a_circuit_is_followed_there_and_back_and_boards_fold(page: Page, load: Any) -> None:
    page.goto(f"/v/{load()}/wiring")
    picture = page.get_by_role("group", name=re.compile("Single-line diagram"))
    expect(picture).to_be_visible()
    picture.get_by_role("button", name=re.compile("^B4 Grey tank pump")).click()
    expect(page.get_by_role("heading", name="B4 Grey tank pump")).to_be_visible()
    # there: the fuses of the batteries, the main, between the two buses, the feeders of both boards, the circuit; back: the same without fuses and buses
    expect(picture.locator('[data-way][data-service="dc"]')).to_have_count(6)
    expect(picture.locator('[data-way][data-service="return"]')).to_have_count(4)
    fold = picture.get_by_role("button", name="Hide B Rear board")
    fold.focus()
    fold.press("Enter")
    expect(picture.get_by_role("button", name=re.compile("^8 circuits hidden"))).to_be_visible()
    expect(picture.get_by_role("button", name=re.compile("^B4 Grey tank pump"))).to_have_count(0)
    page.reload()
    expect(picture.get_by_role("button", name=re.compile("^8 circuits hidden"))).to_be_visible()
    picture.get_by_role("button", name=re.compile("^8 circuits hidden")).click()
    expect(picture.get_by_role("button", name=re.compile("^B4 Grey tank pump"))).to_be_visible()


def test_a_raceway_is_made_filled_and_its_danger_answered(page: Page, load: Any, stored: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/wiring")
    page.get_by_role("button", name="Raceways").click()
    page.get_by_role("button", name=re.compile("Add a raceway")).click()
    slate = page.get_by_role("complementary")
    with saving(page):
        slate.get_by_label("made as").select_option("trunking")
    for label, text in (("inside width", "40 mm"), ("inside height", "25 mm")):
        slate.get_by_label(label).fill(text)
        with saving(page):
            slate.get_by_label(label).press("Enter")
    for name in ("A1 Fridge", "X1 Travel kettle"):
        with saving(page):
            slate.get_by_label(name).check()
    expect(slate.get_by_text("Mains and low voltage together")).to_be_visible()
    expect(slate.get_by_text("how full it is")).to_be_visible()
    with saving(page):
        slate.get_by_role("button", name="Put in a partition").click()
    expect(slate.get_by_text("Mains and low voltage together")).to_have_count(0)
    made = stored(id).wiring.raceways[-1]
    assert (made.kind, made.width_mm, made.height_mm, made.partition) == ("trunking", 40.0, 25.0, True)
    assert [c.id for c in stored(id).wiring.circuits if made.id in c.raceways] == ["front-fridge-90-l", "travel-kettle"]


def test_circuits_are_pasted_some_new_some_changed_and_undone_in_one_step(page: Page, load: Any, stored: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/wiring")
    page.get_by_role("button", name="Paste or import…").click()
    page.get_by_label("Table of circuits").fill(
        "circuit\tboard\tfeeds\tlength\tcable\trating\nFridge\tA\t\t3.2 m\t6\t7.5\nHorn\tB\t\t2\t1.5\t5\nLost\tQ\t\t2\t1.5\t5\n"
    )
    expect(page.get_by_text("changes: Fridge")).to_be_visible()
    expect(page.get_by_text(re.compile("there is no board “Q”"))).to_be_visible()
    with saving(page):
        page.get_by_role("button", name="Import 2 circuits, leave out 1").click()
    wiring = stored(id).wiring
    fridge = next(c for c in wiring.circuits if c.id == "front-fridge-90-l")
    assert (fridge.length_m, fridge.area_mm2) == (3.2, 6.0)
    assert (wiring.circuits[-1].name, wiring.circuits[-1].board) == ("Horn", "rear")
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert stored(id) == curlew.design()


def test_a_paper_is_made_while_one_goes_on(page: Page, load: Any, tmp_path: Path) -> None:
    page.goto(f"/v/{load()}/wiring")
    page.get_by_role("button", name=re.compile("^Export")).click()
    with page.expect_download() as download:
        page.get_by_role("menuitem", name="Diagram, PDF").click()
        expect(page.get_by_text("Making Diagram, PDF…")).to_be_visible()
    file = tmp_path / "diagram.pdf"
    download.value.save_as(file)
    assert download.value.suggested_filename == "Curlew diagram.pdf"
    assert file.read_bytes().startswith(b"%PDF")
    expect(page.get_by_text("Making Diagram, PDF…")).to_have_count(0)


def test_a_loop_reading_is_typed_and_judged(page: Page, load: Any, measured: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/prove?view=loops")
    row = page.get_by_role("row").filter(has_text="Fridge")
    cell = row.locator('[data-col="loop_mohm"]')
    cell.click()
    cell.click()
    cell.locator("input").fill("0.4 ohm")
    with saving(page):
        cell.locator("input").press("Enter")
    expect(row).to_contain_text("too high")
    expect(page.get_by_role("complementary").get_by_text("The loop test fails")).to_be_visible()
    assert next(r for r in measured(id).readings if r.circuit == "front-fridge-90-l").loop_mohm == 400.0


def test_lights_are_zoned_and_a_switch_is_put_at_the_door(page: Page, load: Any, stored: Any) -> None:
    design = curlew.design()
    assert design.wiring.panel is not None
    panel = design.wiring.panel.model_copy(update={"door_distance_m": 2.5})
    id = load(design.model_copy(update={"wiring": design.wiring.model_copy(update={"zones": [], "panel": panel})}))
    page.goto(f"/v/{id}/wiring")
    page.get_by_role("button", name="Lighting").click()
    with saving(page):
        page.get_by_role("button", name="Use Lighting zones").click()
    page.get_by_role("gridcell", name="Living").first.click()
    slate = page.get_by_role("complementary")
    with saving(page):
        slate.get_by_role("button", name=re.compile("Add a switch at the door for")).click()
    expect(slate.get_by_text("No light switch within reach from outside")).to_have_count(0)
    assert any(p.name == "At the door" for z in stored(id).wiring.zones for p in z.places)
