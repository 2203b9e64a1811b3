"""Gas in the browser: a locker's vents are made large enough, gas is laid from nothing to a hob, a leak test is kept, signed and outdated by a
change, and cooking without gas is chosen."""

from __future__ import annotations

import re
from typing import Any

from playwright.sync_api import Page, expect

from bothy.core.design.document import load_design
from tests.browser.test_newcomer import saving
from tests.browser.test_warmth import choose, fill, slate_of
from tests.core.gas.test_gas_rules import CYLINDER, GAS, INVERNESS, WARMTH, gassed
from tests.designs import lived


def press(page: Page, name: str | re.Pattern[str]) -> None:
    """Press a button anywhere and wait until what it does is saved."""
    with saving(page):
        page.get_by_role("button", name=name, exact=isinstance(name, str)).click()


def tick(page: Page, label: str) -> None:
    """Tick a box of the slate and wait until it is saved."""
    with saving(page):
        slate_of(page).get_by_label(label, exact=True).check()


def test_gas_from_nothing_a_cylinder_a_hob_and_its_pipe(page: Page, load: Any, stored: Any) -> None:
    data = lived(people=2)
    data["warmth"] = WARMTH
    id = load(load_design(data))
    page.goto(f"/v/{id}/power")
    expect(slate_of(page)).to_be_visible()
    page.keyboard.press("8")
    expect(page.get_by_role("note", name="Who may do this work")).to_contain_text("If you smell gas: get everybody out")
    expect(page.get_by_text("There is no gas on board")).to_be_visible()
    page.keyboard.press("n")
    expect(slate_of(page).get_by_role("heading", name="Hob")).to_be_visible()
    tick(page, "flame failure on every burner")
    tick(page, "a valve of its own, labelled")
    fill(page, "made for a pressure of", "30 mbar")
    expect(slate_of(page).get_by_text("Flame failure device not confirmed")).to_have_count(0)
    page.get_by_role("button", name="Vessels", exact=True).click()
    press(page, "Add a vessel (n)")
    fill(page, "across", "0.26 m")
    fill(page, "straps", "2")
    fill(page, "they hold", "3000")
    page.get_by_role("button", name="Pipes", exact=True).click()
    press(page, "Add a regulator")
    press(page, "Add a run (n)")
    press(page, "Add a run (n)")
    expect(page.get_by_role("img", name=re.compile(r"everything burning: Main 29\.\d mbar, To Hob 29\.\d mbar"))).to_be_visible()
    g = stored(id).gas
    assert [p.parent for p in g.pipes] == [None, g.pipes[0].id]
    assert g.pipes[1].appliance == g.appliances[0].id
    assert (g.vessels[0].diameter_m, g.vessels[0].straps, g.vessels[0].restraint_n) == (0.26, 2, 3000)
    expect(page.get_by_text("the vessels give")).to_be_visible()


def test_the_lockers_vents_are_made_large_enough(page: Page, load: Any, stored: Any) -> None:
    small = {**GAS["locker"], "vents": [{**GAS["locker"]["vents"][0], "width_mm": 90.0, "closable": True}]}
    id = load(load_design(gassed(locker=small)))
    page.goto(f"/v/{id}/gas?view=locker")
    expect(slate_of(page).get_by_text("Locker vents too small")).to_be_visible()
    page.get_by_role("gridcell", name="Drain").click()
    with saving(page):
        slate_of(page).get_by_role("button", name="Remove the cover").click()
    expect(page.get_by_role("img", name=re.compile("locker, low 6300 of 10000 mm²"))).to_be_visible()
    fill(page, "width", "160 mm")
    expect(page.get_by_role("img", name=re.compile("locker, low 11200 of 10000 mm²"))).to_be_visible()
    page.keyboard.press("Escape")
    expect(page.get_by_text("Locker vents too small")).to_have_count(0)
    assert not stored(id).gas.locker.vents[0].closable
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert stored(id).gas.locker.vents[0].width_mm == 90


def test_a_leak_test_is_kept_signed_and_outdated_by_a_change(page: Page, load: Any, measured: Any) -> None:
    id = load(load_design(gassed(tested=False)))
    page.goto(f"/v/{id}/gas?view=papers")
    expect(slate_of(page).get_by_text("No leak test since the last change")).to_be_visible()
    press(page, "Add a leak test (n)")
    tick(page, "regulator and appliances isolated")
    pressure = slate_of(page).get_by_label("at the end", exact=True).first
    pressure.fill("141 mbar")
    with saving(page):
        pressure.press("Enter")
    tests = page.get_by_role("grid", name="Leak tests")
    expect(tests.get_by_text("leaks")).to_be_visible()
    expect(slate_of(page).get_by_text("Leak test failed")).to_be_visible()
    pressure.fill("2.1755 psi")
    with saving(page):
        pressure.press("Enter")
    expect(tests.get_by_text("holds")).to_be_visible()
    tick(page, "signed by that person")
    expect(page.get_by_role("region", name="Papers")).to_contain_text("holds, and nothing was changed since")
    page.get_by_role("button", name="Pipes", exact=True).click()
    page.get_by_role("grid", name="Gas runs").get_by_role("gridcell", name="To the hob").first.click()
    fill(page, "length", "2.2 m")
    page.get_by_role("button", name="Tests and papers", exact=True).click()
    expect(tests.get_by_text("signed, changed since")).to_be_visible()
    expect(slate_of(page).get_by_text("After “Leak test” these were changed: To the hob")).to_be_visible()
    assert measured(id).gas_tests[0].signed
    page.get_by_role("link", name="Sheets for paper").click()
    expect(page.get_by_role("region", name="The fitter’s test sheet")).to_be_visible()
    expect(page.get_by_text("If it smells of gas")).to_be_visible()
    page.get_by_role("link", name="Back").click()
    expect(page.get_by_role("button", name="Tests and papers")).to_have_attribute("aria-pressed", "true")


def test_butane_stays_in_the_cylinder_in_frost_and_propane_comes_out(page: Page, load: Any, stored: Any) -> None:
    id = load(load_design(gassed(gas="butane", life=INVERNESS)))
    page.goto(f"/v/{id}/gas?view=vessels")
    expect(page.get_by_role("img", name=re.compile("butane 0 %"))).to_be_visible()
    with saving(page):
        slate_of(page).get_by_role("button", name="Use propane", exact=True).click()
    expect(slate_of(page).get_by_text("Gas doesn’t come out in the cold")).to_have_count(0)
    assert stored(id).gas.gas == "propane"


def test_cooking_without_gas_is_compared_and_chosen(page: Page, load: Any, stored: Any) -> None:
    data = lived(people=2)
    id = load(load_design(data))
    page.goto(f"/v/{id}/gas?view=cooking")
    expect(page.get_by_role("grid", name="Ways to cook").get_by_role("row")).to_have_count(8)
    choose(page, "cooking is", "induction")
    expect(slate_of(page).get_by_text("Induction asks much of the battery")).to_be_visible()
    fill(page, "meals a day", "1")
    assert (stored(id).gas.cooking, stored(id).gas.meal.meals_day) == ("induction", 1)
    choose(page, "cooking is", "diesel")
    expect(slate_of(page).get_by_text("Induction asks much of the battery")).to_have_count(0)


def test_what_can_not_be_says_so_by_name(page: Page, load: Any, stored: Any) -> None:
    id = load(load_design(gassed()))
    page.goto(f"/v/{id}/gas?view=vessels&hand=vessel:six")
    field = slate_of(page).get_by_label("gas in one", exact=True)
    field.fill("-3 kg")
    field.press("Enter")
    expect(page.get_by_text(re.compile("Capacity must be "))).to_be_visible()
    assert stored(id).gas.vessels[0].capacity_kg == CYLINDER["capacity_kg"]


def test_the_trip_shows_its_gas_and_a_finding_leads_to_its_view(page: Page, load: Any) -> None:
    id = load()
    page.goto(f"/v/{id}/trips")
    expect(page.get_by_role("slider", name="Moment of the trip").get_by_text("gas", exact=True)).to_be_visible()
    page.keyboard.press("/")
    page.keyboard.type("Locker vents too small")
    expect(page.get_by_role("option").first).to_contain_text("Locker vents too small")
    page.keyboard.press("Enter")
    page.wait_for_url(re.compile(r"/gas\?view=locker"))
    expect(page.get_by_role("button", name="Locker and air", exact=True)).to_have_attribute("aria-pressed", "true")


def test_what_bothy_would_fit_for_gas_and_water_is_taken_at_once(page: Page, load: Any, stored: Any) -> None:
    data = lived(people=2)
    data["warmth"] = WARMTH
    data["gas"] = {"appliances": [{**GAS["appliances"][0]}], "vessels": [CYLINDER], "off_at_fuel": True}
    id = load(load_design(data))
    page.goto(f"/v/{id}/gas")
    offered = page.get_by_role("region", name="Bothy’s proposal")
    expect(offered.get_by_role("listitem")).to_have_count(4)
    with saving(page):
        offered.get_by_role("button", name="Use all 4").click()
    expect(offered.get_by_text("Nothing to propose")).to_be_visible()
    g = stored(id).gas
    assert g.regulator is not None
    assert g.locker is not None
    assert g.lpg_alarm is not None
    assert [p.appliance for p in g.pipes] == [None, "hob"]
    page.goto(f"/v/{id}/water")
    with saving(page):
        offered.get_by_role("button", name=re.compile("^Use all")).click()
    expect(page.get_by_text("the water lasts")).to_be_visible()
    assert {t.holds for t in stored(id).water.tanks} == {"fresh", "grey"}
    with saving(page):
        page.get_by_role("button", name="undo").click()
    assert stored(id).water.tanks == []
