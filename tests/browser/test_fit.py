"""Layout and weight in the browser: a bank placed by hand and by keys, the cable that follows, undo, Bothy's places, the weighbridge, walls."""

from __future__ import annotations

import re
from typing import Any

import pytest
from playwright.sync_api import Locator, Page, expect

from bothy.core.design.document import load_design
from bothy.core.design.edit import apply_patch
from bothy.demo import saltbush
from tests.browser.test_newcomer import saving
from tests.browser.test_warmth import fill, slate_of
from tests.core.fit.test_fit_places import furnished


def thing(page: Page, key: str, pane: str = "plan") -> Locator:
    """A thing as it is drawn."""
    return page.locator(f'[data-pane="{pane}"] [data-thing="{key}"]')


def place(stored: Any, id: str, key: str = "power:bank") -> Any:
    return stored(id).fit.place(key)


@pytest.fixture
def laid(load: Any) -> str:
    return str(load(saltbush.design(), "Saltbush"))


def test_a_bank_is_dragged_and_its_cable_follows(page: Page, laid: str, stored: Any) -> None:
    page.goto(f"/v/{laid}/fit?hand=thing:power:bank")
    before = place(stored, laid)
    feed = slate_of(page).locator('[data-figure^="ways/circuit-inverter"]').first
    was = feed.inner_text()
    box = thing(page, "power:bank").bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x - 30, y, steps=4)
    expect(page.get_by_test_id("ghost")).to_be_visible()
    expect(page.get_by_role("status", name="What follows from moving it")).to_contain_text("axle")
    with saving(page):
        page.mouse.up()
    after = place(stored, laid)
    assert after.x_m > before.x_m + 0.2, "the front is to the left"
    assert abs(after.y_m - before.y_m) < 0.2
    expect(feed).not_to_have_text(was)
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert place(stored, laid).x_m == before.x_m


def test_keys_move_turn_and_take_out(page: Page, laid: str, stored: Any) -> None:
    page.goto(f"/v/{laid}/fit?hand=thing:power:bank")
    before = place(stored, laid)
    thing(page, "power:bank").focus()
    with saving(page):
        page.keyboard.press("ArrowLeft")
    with saving(page):
        page.keyboard.press("Shift+ArrowLeft")
    assert place(stored, laid).x_m == pytest.approx(before.x_m + 0.011)
    with saving(page):
        page.keyboard.press("r")
    assert place(stored, laid).yaw_deg == (before.yaw_deg + 90) % 360
    with saving(page):
        page.keyboard.press("Delete")
    assert place(stored, laid) is None
    expect(page.get_by_role("region", name="Not placed yet")).to_contain_text("House bank")


def test_a_place_is_typed_into_the_ledger(page: Page, laid: str, stored: Any) -> None:
    page.goto(f"/v/{laid}/fit")
    row = page.locator('[data-row="power:inverter"]')
    row.locator('[data-col="x_m"]').click()
    page.keyboard.press("Enter")
    page.keyboard.press("Control+A")
    page.keyboard.type("1.5 m")
    with saving(page):
        page.keyboard.press("Enter")
    assert place(stored, laid, "power:inverter").x_m == 1.5


def test_bothy_places_all_of_it_as_one_change(page: Page, load: Any, stored: Any) -> None:
    id = str(load(furnished("panel_van"), "Tern"))
    page.goto(f"/v/{id}/fit")
    with saving(page):
        page.get_by_role("button", name=re.compile(r"^Place all \d+")).click()
    expect(page.get_by_role("status").filter(has_text="Placed")).to_be_visible()
    count = len(stored(id).fit.places)
    assert count > 12
    on_roof = len({s.of.partition("-")[0] for s in stored(id).fit.roof.spots})
    assert on_roof, "panels are laid out on the roof by the same press"
    expect(page.get_by_text(f"{count + 1} of {count + 1}").first).to_be_visible()
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert stored(id).fit.places == [] and stored(id).fit.roof.spots == []


def test_furniture_is_added_and_stands_where_it_is_put(page: Page, load: Any, stored: Any) -> None:
    design = furnished("panel_van", kinds=())
    id = str(load(design, "Tern"))
    page.goto(f"/v/{id}/fit")
    with saving(page):
        page.get_by_label("Add furniture").select_option("kitchen")
    with saving(page):
        slate_of(page).get_by_role("button", name="Let Bothy place it").click()
    kitchen = stored(id).fit.places[0]
    assert kitchen.of == "own:kitchen"
    fill(page, "from the rear", "9.9 m")
    expect(slate_of(page).locator('[data-finding^="fit-outside-shell"]')).to_be_visible()
    expect(slate_of(page)).to_contain_text("outside the vehicle at the front")


def test_a_weighing_is_entered_judged_and_struck(page: Page, load: Any, measured: Any) -> None:
    design = furnished("panel_van")
    id = str(load(apply_patch(design, [{"op": "replace", "path": "/fit/body/running/gross_limit_kg", "value": 3500.0}]), "Tern"))
    page.goto(f"/v/{id}/fit?view=weight")
    with saving(page):
        slate_of(page).get_by_role("button", name="Enter a weighing").click()
    rear = measured(id).weighings[0].rear_kg
    fill(page, "rear axle", f"{rear + 150:.0f} kg")
    expect(slate_of(page)).to_contain_text(re.compile(r"15[01]\s*kg more, as if"))
    with saving(page):
        slate_of(page).get_by_text("count the difference from now on").click()
    expect(page.get_by_role("grid", name="Every kilogram once")).to_contain_text("Not accounted for")
    with saving(page):
        slate_of(page).get_by_role("button", name="strike this weighing").click()
    assert measured(id).weighings == []


def test_behind_a_wall_on_screen_and_on_paper(page: Page, laid: str) -> None:
    page.goto(f"/v/{laid}/fit?view=wall")
    page.get_by_role("group", name="Wall").get_by_role("button", name=re.compile("right wall")).click()
    rows = page.get_by_role("table", name="What crosses the right wall").get_by_role("row")
    expect(rows.nth(2)).to_be_visible()
    page.goto(f"/v/{laid}/print/walls")
    expect(page.get_by_role("region", name="Right wall")).to_be_visible()


def test_a_table_of_places_comes_back(page: Page, laid: str, stored: Any) -> None:
    page.goto(f"/v/{laid}/fit")
    page.get_by_role("button", name="Import places").click()
    page.get_by_role("textbox").last.fill("thing;x m;y m;z m\nHouse bank, 2 × 25.6 V 200 Ah;3.1;-0.5;0\nUnicorn;1;0;0")
    expect(page.get_by_text("the design has no “Unicorn”")).to_be_visible()
    with saving(page):
        page.get_by_role("button", name=re.compile("^(Take|Import|Bring|Use)")).last.click()
    assert place(stored, laid).x_m == 3.1


def test_one_measurement_at_a_time_on_a_phone_with_doubts_said(page: Page, load: Any, stored: Any) -> None:
    page.set_viewport_size({"width": 390, "height": 844})
    id = str(load(furnished("panel_van", kinds=()), "Tern"))
    page.goto(f"/v/{id}/fit?view=measure&step=left-1-1")
    field = page.get_by_role("textbox").first
    field.fill("0.5 m")
    field.press("Enter")
    expect(page.get_by_role("alert")).to_contain_text("measure again?")
    field.fill("0.83 m")
    with saving(page):
        field.press("Enter")
    assert stored(id).fit.body.stations[1].left_m[1] == 0.83
    page.reload()
    expect(page.get_by_role("heading", name=re.compile("^Right wall"))).to_be_visible()


def test_what_moves_out_is_drawn_and_dragged_where_it_is_then(page: Page, load: Any, stored: Any) -> None:
    """A bench in a slide-out: asked about, moved out with one press, then 10 mm further by the keyboard in the vehicle that stands open."""
    data = furnished("panel_van", kinds=("bench",)).model_dump(mode="json")
    data["warmth"]["slide_outs"] = [{"id": "s", "on": "left", "depth_m": 0.4, "width_m": 2.6, "height_m": 1.4}]
    data["fit"]["places"] = [{"of": "own:bench", "x_m": 1.2, "y_m": 0.25, "z_m": 0.0}]
    id = str(load(load_design(data), "Tern"))
    page.goto(f"/v/{id}/fit?hand=thing:own:bench")
    with saving(page):
        slate_of(page).get_by_role("button", name="Enter that it moves out with the slide-out 1").click()
    assert place(stored, id, "own:bench").open.y_m == pytest.approx(0.65)
    page.get_by_role("group", name="State of the vehicle").get_by_role("button", name="standing open").click()
    expect(page.locator('[data-pane="plan"] [data-room="Slide-out 1"]')).to_be_visible()
    thing(page, "own:bench").focus()
    with saving(page):
        page.keyboard.press("ArrowDown")
    bench = place(stored, id, "own:bench")
    assert (bench.y_m, bench.open.y_m) == pytest.approx((0.25, 0.66))
    with saving(page):
        slate_of(page).get_by_role("button", name="It stays where it is").click()
    assert place(stored, id, "own:bench").open is None


def test_signal_cables_get_their_ways_and_a_conduit_its_fill(page: Page, load: Any, stored: Any) -> None:
    bare = apply_patch(saltbush.design(), [{"op": "replace", "path": "/fit/signals", "value": []}])
    id = str(load(bare, "Saltbush"))
    page.goto(f"/v/{id}/fit?view=ways")
    slate = slate_of(page)
    with saving(page):
        slate.get_by_role("button", name=re.compile("Add the usual")).click()
    signals = stored(id).fit.signals
    assert {s.kind for s in signals} >= {"sensor", "shunt"}
    expect(page.get_by_role("row").filter(has_text=signals[0].name)).to_contain_text("signals")
    with saving(page):
        slate.get_by_role("listitem").filter(has_text="low along the right wall, low voltage").get_by_role("button", name="it is a conduit").click()
    inside = slate.get_by_role("textbox", name="inside")
    with saving(page):
        inside.fill("10 mm")
        inside.press("Enter")
    expect(slate.get_by_text("Conduit too full")).to_be_visible()
    with saving(page):
        slate.get_by_role("button", name=re.compile("Take a pipe of")).click()
    expect(slate.get_by_text("Conduit too full")).to_have_count(0)
    assert stored(id).fit.bores[0].inside_mm > 10
    slate.get_by_role("button", name=signals[0].name).click()
    with saving(page):
        slate.get_by_role("button", name="remove this cable").click()
    assert [s.id for s in stored(id).fit.signals] == [s.id for s in signals[1:]]


def test_where_a_thing_is_joined_is_measured(page: Page, laid: str, stored: Any) -> None:
    tank = next(t.id for t in saltbush.design().water.tanks)
    page.goto(f"/v/{laid}/fit?hand=thing:water:{tank}")
    slate = slate_of(page)
    with saving(page):
        slate.get_by_role("button", name="pipes", exact=True).click()
    with saving(page):
        box = slate.get_by_role("group", name=re.compile("Where its pipes")).get_by_role("textbox", name="over its bottom")
        box.fill("0.05 m")
        box.press("Enter")
    size = next(s for s in stored(laid).fit.sizes if s.of == f"water:{tank}")
    assert [(p.of, p.z_m) for p in size.ports] == [("water", 0.05)]
    with saving(page):
        slate.get_by_role("button", name="in its middle again").click()
    assert not next(s for s in stored(laid).fit.sizes if s.of == f"water:{tank}").ports
