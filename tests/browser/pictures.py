"""Makes docs/screenshots anew from the demo data: ``./bothy pictures``."""

from __future__ import annotations

import os
import re
from pathlib import Path

from playwright.sync_api import Page, sync_playwright
from sqlalchemy import create_engine, text
from sqlalchemy.engine import make_url

from bothy.demo.load import load_demos
from bothy.store.engine import make_engine
from bothy.store.migrate import migrate
from bothy.store.projects import Projects
from tests.browser.serving import ARGUMENTS, CHROMIUM, ROOT, served

TARGET = ROOT / "docs" / "screenshots"
DESK, PHONE = (1280, 800), (390, 844)
VIEWS: list[tuple[str, str, tuple[int, int], str]] = [
    ("openings", "/v/{id}/fit?view=sides&hand=opening:window:window-bunk", DESK, "day"),
    ("roof", "/v/{id}/fit?view=roof", DESK, "day"),
    ("build", "/v/{id}/build?day=2026-11-28&view=weeks", DESK, "day"),
    ("build-today", "/v/{id}/build?day=2026-11-28", PHONE, "day"),
    ("handover", "/v/{us}/handover?day=2026-11-28", DESK, "day"),
    ("life", "/v/{id}/life", DESK, "day"),
    ("power", "/v/{id}/power", DESK, "day"),
    ("trips", "/v/{id}/trips", DESK, "day"),
    ("wiring", "/v/{id}/wiring?hand=circuit:front-fridge-90-l", DESK, "day"),
    ("working", "/v/{id}/wiring?hand=circuit:inverter-feed", DESK, "night"),
    ("warmth", "/v/{id}/warmth?hand=surface:right", DESK, "day"),
    ("fit", "/v/{id}/fit?hand=thing:water:carbon", DESK, "day"),
    ("fit-weight", "/v/{us}/fit?view=weight&loading=travel", DESK, "day"),
    ("worklist", "/v/{id}/worklist", DESK, "day"),
    ("prove", "/v/{id}/prove?hand=step:s5-circuit:water-pump-10-l-min", DESK, "day"),
    ("finder", "/v/{id}/prove?view=finder", DESK, "day"),
    ("prove-site", "/v/{id}/prove", PHONE, "day"),
    ("water", "/v/{id}/water?view=taps&hand=run:shower", DESK, "day"),
    ("gas", "/v/{us}/gas?view=pipes&hand=run:to-heater", DESK, "day"),
]
"""Name, address, size and theme of each picture."""


def prepare(page: Page, name: str) -> None:
    """Open what a picture is about: the working of a figure, a circuit on the phone."""
    if name == "working":
        page.get_by_role("button", name="Inverter’s DC current").first.click()
        page.get_by_test_id("working").first.get_by_role("button").first.click()
    if name == "roof":
        page.get_by_label("lines of adhesive").check()
        page.get_by_label("shadow", exact=True).check()
        page.get_by_label("Hour of the sun’s clock").fill("10.5")
    if name == "trips":
        page.get_by_role("slider", name="Moment of the trip").wait_for()
    if name == "water":
        for tap in ("Shower", "Outside tap, boots"):
            page.get_by_role("button", name=tap).first.click()
        page.get_by_role("button", name=re.compile("Shower.*starves")).first.wait_for()
    if name == "finder":
        page.get_by_role("button", name="A6 Water pump 10 L/min: dark, weak").click()
        page.get_by_role("list", name="Causes").wait_for()


def main() -> None:
    given = os.environ["BOTHY_DATABASE_URL"]
    admin = create_engine(given)
    with admin.begin() as c:
        c.execute(text("drop database if exists bothy_pictures"))
        c.execute(text("create database bothy_pictures"))
    url = make_url(given).set(database="bothy_pictures").render_as_string(hide_password=False)
    migrate(url)
    projects = Projects(make_engine(url))
    load_demos(projects)
    ids = {p.name: p.variants[0].id for p in projects.all()}
    TARGET.mkdir(parents=True, exist_ok=True)
    with served(url) as base, sync_playwright() as p:
        browser = p.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        for name, view, (width, height), theme in VIEWS:
            page = browser.new_page(viewport={"width": width, "height": height}, reduced_motion="reduce")
            page.add_init_script(f"""localStorage.setItem("bothy.person", JSON.stringify({{theme: "{theme}"}}))""")
            page.goto(base + view.format(id=ids["Curlew"], us=ids["Fiddlehead"]))
            page.wait_for_load_state("networkidle")
            prepare(page, name)
            page.evaluate("document.fonts.ready")
            page.screenshot(path=str(TARGET / f"{name}.png"))
            page.close()
            print(Path("docs") / "screenshots" / f"{name}.png")
        browser.close()
    with admin.begin() as c:
        c.execute(text("drop database bothy_pictures"))


if __name__ == "__main__":
    main()
