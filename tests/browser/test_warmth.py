"""Warmth in the browser: a wall is built, gets wet and is mended; ducts are laid and their outlets changed over; a bare van is fitted out in one go."""

from __future__ import annotations

import re
from typing import Any

from playwright.sync_api import Locator, Page, expect

from bothy.core.design.document import load_design
from bothy.demo import saltbush
from tests.browser.test_newcomer import saving
from tests.core.warmth.test_warmth_rules import HEATER, warm
from tests.designs import BANK


def bare(**more: Any) -> Any:
    """A van in an Inverness winter of which little is said yet."""
    return load_design(warm(cab="curtain", **more))


def slate_of(page: Page) -> Locator:
    return page.get_by_role("complementary")


def fill(page: Page, label: str, text: str) -> None:
    """Type into a field of the slate and wait until it is saved."""
    field = slate_of(page).get_by_label(label, exact=True)
    field.fill(text)
    with saving(page):
        field.press("Enter")


def choose(page: Page, label: str, option: Any) -> None:
    """Choose in the slate and wait until it is saved."""
    with saving(page):
        slate_of(page).get_by_label(label, exact=True).select_option(option)


def surface(page: Page, name: str) -> Locator:
    """A row of the surfaces' ledger."""
    return page.get_by_role("grid", name="Surfaces").get_by_role("row").filter(has=page.get_by_text(name, exact=True))


def test_a_wall_is_built_gets_wet_and_is_mended(page: Page, load: Any, stored: Any) -> None:
    id = load(bare())
    page.goto(f"/v/{id}/warmth")
    surface(page, "left side").locator('[data-col="name"]').click()
    slate = slate_of(page)
    expect(slate.get_by_role("heading", name="left side")).to_be_visible()
    wool = slate.get_by_label("build-up", exact=True).locator("option", has_text="Sheep wool 50, ply, no barrier")
    choose(page, "build-up", wool.get_attribute("value"))
    expect(slate.get_by_text("Water gathers inside the wall")).to_be_visible()
    expect(surface(page, "left side").get_by_text(re.compile("wet inside"))).to_be_visible()

    slate.get_by_role("button", name="Open its layers").click()
    expect(slate.get_by_role("img", name=re.compile("Vapour through the wall"))).to_be_visible()
    with saving(page):
        slate.get_by_role("button", name="Add a layer").click()
    choose(page, "material", "vapour_foil")
    fill(page, "thickness, as fitted", "0.2 mm")
    expect(slate.get_by_text("Water gathers inside the wall")).to_be_visible()  # still on the cold side
    with saving(page):
        slate.get_by_role("button", name="Move Vapour foil inwards").click()
    expect(slate.get_by_text("Water gathers inside the wall")).to_have_count(0)
    layers = stored(id).warmth.build_ups[0].layers
    assert [x.material for x in layers] == ["plywood", "vapour_foil", "sheep_wool"]
    assert layers[1].thickness_mm == 0.2

    with saving(page):
        page.get_by_role("button", name="undo").click()
    expect(slate.get_by_text("Water gathers inside the wall")).to_be_visible()


def test_ducts_are_laid_and_the_outlets_changed_over(page: Page, load: Any, stored: Any) -> None:
    id = load(bare())
    page.goto(f"/v/{id}/warmth?view=heating")
    expect(page.get_by_text("No heater yet.")).to_be_visible()
    with saving(page):
        page.get_by_role("button", name=re.compile("Add a heater")).click()
    choose(page, "from the catalogue", "heat-gas-4")
    expect(slate_of(page).get_by_role("heading", name="Gas blown-air heater and boiler 4 kW")).to_be_visible()

    page.get_by_role("button", name="Ducts and loop").click()
    expect(page.get_by_text("No run yet: add the first one below.")).to_be_visible()
    for zone, metres, outlet in (("living", "4.5 m", "3"), ("cab", "0.5 m", "1")):
        with saving(page):
            page.get_by_role("button", name=re.compile("Add a run")).click()
        zone_field = slate_of(page).get_by_label("warms the zone", exact=True)
        if zone != "living":
            zone_field.fill(zone)
            with saving(page):
                zone_field.press("Enter")
        fill(page, "length", metres)
        if outlet != "1":
            fill(page, "outlet of the heater", outlet)
    slate_of(page).get_by_role("button", name="clear selection").click()
    slate = slate_of(page)
    expect(slate.get_by_text("Outlets could feed the ducts better")).to_be_visible()
    picture = page.get_by_role("group", name=re.compile("Runs of the heater"))
    expect(picture.get_by_role("button")).to_have_count(2)
    before = [d.outlet for d in stored(id).warmth.ducts]
    with saving(page):
        slate.get_by_role("button", name="Change the outlets").click()
    expect(slate.get_by_text("Outlets could feed the ducts better")).to_have_count(0)
    after = [d.outlet for d in stored(id).warmth.ducts]
    assert before == [3, 1]
    assert after != before
    assert after[0] in (1, 2), "the hotter outlets go to the longer run"


def test_a_bare_van_is_fitted_out_and_every_proposal_says_why(page: Page, load: Any, stored: Any) -> None:
    id = load(bare())
    page.goto(f"/v/{id}/warmth")
    page.get_by_role("button", name="What Bothy suggests").click()
    expect(page.get_by_role("button", name="Use Heater")).to_be_enabled()
    page.get_by_role("button", name=re.compile("^Insulation .*why$")).click()
    expect(page.get_by_text(re.compile("Not thicker than 50"))).to_be_visible()
    with saving(page):
        page.get_by_role("button", name=re.compile("Use all")).click()
    expect(page.get_by_role("button", name="Use Heater")).to_be_disabled()
    w = stored(id).warmth
    assert [b.id for b in w.build_ups] == ["floor", "roof", "walls"]
    assert w.heaters[0].fuel == "diesel"
    assert {v.kind for v in w.vents} >= {"fixed_roof", "fixed_low", "roof_fan"}
    assert {a.kind for a in w.alarms} == {"co", "smoke"}
    page.get_by_role("button", name="The surfaces").click()
    expect(surface(page, "roof").get_by_text("Roof", exact=True)).to_be_visible()


def test_a_screen_is_put_up_by_its_remedy_and_the_day_is_walked_through(page: Page, load: Any, stored: Any) -> None:
    id = load(load_design(warm()))
    page.goto(f"/v/{id}/warmth")
    slate = slate_of(page)
    expect(slate.get_by_text("Cab’s glass loses much heat")).to_be_visible()
    with saving(page):
        slate.get_by_role("button", name="Hang screens inside the cab’s glass").first.click()
    assert {s.id: s.cover for s in stored(id).warmth.surfaces} == {"cab_windscreen": "screen_inside", "cab_side_glass": "screen_inside"}
    picture = page.get_by_role("group", name=re.compile("Heat through the shell"))
    wind = picture.get_by_role("button", name=re.compile("^windscreen"))
    cold = wind.get_attribute("aria-label")
    page.get_by_label("Hour of the day").fill("13")
    expect(wind).not_to_have_attribute("aria-label", cold or "")
    page.get_by_role("button", name="hottest day").click()
    expect(picture.get_by_text(re.compile("without cooling"))).to_be_visible()
    wind.focus()
    wind.press("Enter")
    expect(slate.get_by_role("heading", name="windscreen")).to_be_visible()


def test_vents_alarms_cabinets_and_bays_are_listed_changed_and_undone(page: Page, load: Any, stored: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/warmth?view=air")
    vents = page.get_by_role("grid", name="Fans and vents")
    expect(vents.get_by_role("row")).to_have_count(6)
    vents.get_by_text("Roof fan", exact=True).click()
    fill(page, "speed", "40 %")
    assert next(v for v in stored(id).warmth.vents if v.id == "roof-fan").speed_frac == 0.4
    page.get_by_role("button", name="alarms").click()
    page.get_by_text("Smoke alarm", exact=True).click()
    fill(page, "from the wall", "120 mm")
    expect(slate_of(page).get_by_text("Alarm in the wrong place")).to_be_visible()
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert next(a for a in stored(id).warmth.alarms if a.id == "smoke").wall_mm != 120
    expect(slate_of(page).get_by_text("Alarm in the wrong place")).to_have_count(0)
    page.get_by_role("button", name="Summer", exact=True).click()
    page.get_by_role("button", name="cold bays").click()
    page.get_by_role("gridcell", name="Grey tank, underfloor").click()
    expect(slate_of(page).get_by_text("Compartment with water freezes")).to_be_visible()
    with saving(page):
        slate_of(page).get_by_label("water in it that must not freeze").uncheck()
    expect(slate_of(page).get_by_text("Compartment with water freezes")).to_have_count(0)


def test_a_finding_of_warmth_leads_to_its_view(page: Page, load: Any) -> None:
    page.goto(f"/v/{load()}/power")
    expect(slate_of(page)).to_be_visible()
    page.keyboard.press("/")
    page.keyboard.type("Compartment with water freezes")
    expect(page.get_by_role("option").first).to_contain_text("Compartment with water freezes")
    page.keyboard.press("Enter")
    page.wait_for_url(re.compile(r"/warmth\?view=summer"))
    expect(page.get_by_role("button", name="Summer", exact=True)).to_have_attribute("aria-pressed", "true")


def test_saltbushs_cooler_is_chosen_again_from_the_catalogue(page: Page, load: Any, stored: Any) -> None:
    id = load(saltbush.design(), "Saltbush")
    page.goto(f"/v/{id}/warmth?view=summer")
    expect(page.get_by_role("img", name=re.compile("The hot day: up to 4"))).to_be_visible()
    choose(page, "from the catalogue", "cool-portable")
    expect(slate_of(page).get_by_text("Air conditioner too small")).to_be_visible()
    expect(slate_of(page).get_by_text("Hose throws out cooled air")).to_be_visible()
    assert stored(id).warmth.cooler.hose_flow_m3_h == 300
    fill(page, "cools to", "80 °F")
    assert abs(stored(id).warmth.cooler.set_c - 26.67) < 0.01


def test_the_trip_says_what_the_heater_burns_and_a_stop_fills_it_up(page: Page, load: Any, stored: Any) -> None:
    data = warm(cab="curtain", heaters=[{**HEATER, "tank_volume_l": 12.0}])
    data["power"] = {"bank": {**BANK, "parallel_count": 6}}
    days = {"place": "inverness", "days_count": 4}
    data["trips"] = {"start_date": "2027-01-10", "draw_count": 8, "legs": [{"id": "a", **days}, {"id": "b", **days}]}
    id = load(load_design(data))
    page.goto(f"/v/{id}/trips")
    slate = slate_of(page)
    expect(slate.get_by_text("Fuel runs out on the trip")).to_be_visible()
    expect(slate.get_by_text("its liquid fuel")).to_be_visible()
    expect(page.get_by_text("humidity", exact=True)).to_be_visible()
    page.get_by_role("grid", name="Itinerary").get_by_role("row").nth(2).locator('[data-col="days"]').click()
    with saving(page):
        slate.get_by_label("diesel or petrol").check()
    assert stored(id).trips.legs[1].refills == ["diesel"]
    page.goto(f"/v/{id}/warmth?view=heating&hand=heater:h")
    fill(page, "tank", "20 gal")
    assert abs(stored(id).warmth.heaters[0].tank_volume_l - 75.7) < 0.1
    page.goto(f"/v/{id}/trips")
    expect(slate.get_by_text("Heat and air on the way")).to_be_visible()
    expect(slate.get_by_text("Fuel runs out on the trip")).to_have_count(0)
