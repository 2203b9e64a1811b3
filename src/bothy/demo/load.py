"""Loads the demo projects once; one that was deleted stays deleted."""

from __future__ import annotations

from bothy.demo import curlew
from bothy.store.projects import Projects


def load_demos(projects: Projects) -> list[str]:
    """Create the demo projects that were never loaded; returns their names."""
    made = []
    if not projects.has_demo("curlew"):
        projects.create(curlew.NAME, [(curlew.VARIANT, curlew.design())], "demo", demo="curlew")
        made.append(curlew.NAME)
    return made
