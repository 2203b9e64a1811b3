"""Loads the demo projects once; one that was deleted stays deleted."""

from __future__ import annotations

from bothy.core.sound import sound
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.store.projects import Projects


def load_demos(projects: Projects) -> list[str]:
    """Create the demo projects that were never loaded; returns their names."""
    made = []
    for key, demo in (("saltbush", saltbush), ("fiddlehead", fiddlehead), ("curlew", curlew)):
        if not projects.has_demo(key):
            projects.create(demo.NAME, [(demo.VARIANT, sound(demo.design()))], "demo", demo=key)
            made.append(demo.NAME)
    return made
