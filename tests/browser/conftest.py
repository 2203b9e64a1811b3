"""A real browser on the real application. A test fails on any console error or request to elsewhere."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, Page, expect, sync_playwright
from sqlalchemy import Engine

from bothy.core.design.document import Design
from bothy.core.facts.evidence import facts_of
from bothy.core.sound import sound
from bothy.demo import curlew
from bothy.demo.load import demo_of
from bothy.store.projects import Projects
from tests.browser.serving import ARGUMENTS, AXE, CHROMIUM, PATIENCE_MS, served, watch

expect.set_options(timeout=PATIENCE_MS)


@pytest.fixture(scope="session")
def base(migrated_url: str) -> Iterator[str]:
    with served(migrated_url) as address:
        yield address


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as p:
        made = p.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        yield made
        made.close()


@pytest.fixture
def context(browser: Browser, base: str, engine: Engine) -> Iterator[BrowserContext]:
    made = browser.new_context(base_url=base, viewport={"width": 1280, "height": 800}, accept_downloads=True)
    made.set_default_timeout(PATIENCE_MS)
    yield made
    made.close()


@pytest.fixture
def complaints(context: BrowserContext, base: str) -> Iterator[list[str]]:
    """What any page of this test complained of; must stay empty."""
    found: list[str] = []
    context.on("page", lambda page: watch(page, base, found))
    yield found
    assert not found


@pytest.fixture
def page(context: BrowserContext, complaints: list[str]) -> Page:
    assert complaints == []
    return context.new_page()


@pytest.fixture
def load(engine: Engine) -> Any:
    """Puts a design into the store; returns its variant's id."""

    def put(design: Design | None = None, name: str = "Curlew") -> str:
        projects = Projects(engine)
        one, evidence = (sound(design), ()) if design else demo_of(curlew)
        projects.create(name, [("as planned", one)], "test", evidence=evidence)
        return str(projects.all()[0].variants[0].id)

    return put


@pytest.fixture(scope="session")
def axe() -> str:
    return AXE.read_text(encoding="utf-8")


@pytest.fixture
def measured(engine: Engine) -> Any:
    """What was measured of a variant as the store has it now."""
    return lambda id: facts_of(Projects(engine).head(id).evidence)


@pytest.fixture
def stored(engine: Engine) -> Any:
    """The design of a variant as the store has it now."""
    return lambda id: Projects(engine).head(id).design
