"""Loads the demo projects once; one that was deleted stays deleted."""

from __future__ import annotations

from collections.abc import Hashable
from functools import cache
from typing import Protocol

from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import Evidence, entries_between
from bothy.core.recording import record
from bothy.core.sound import Sound
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.store.projects import Projects


class Demo(Hashable, Protocol):
    """A demo vehicle: its plan, and what was measured on it."""

    NAME: str
    VARIANT: str

    def design(self) -> Design: ...

    def facts(self) -> Facts: ...


DEMOS: dict[str, Demo] = {"saltbush": saltbush, "fiddlehead": fiddlehead, "curlew": curlew}


@cache
def demo_of(demo: Demo) -> tuple[Sound, tuple[Evidence, ...]]:
    """A demo's design with its report, and its evidence, taken down on revision 1."""
    made = record(demo.design(), (), entries_between(Facts(), demo.facts()), variant=demo.VARIANT, revision=1, author="demo", guarded=False)
    return made.one, made.new


def load_demos(projects: Projects) -> list[str]:
    """Create the demo projects that were never loaded; returns their names."""
    made = []
    for key, demo in DEMOS.items():
        if not projects.has_demo(key):
            one, evidence = demo_of(demo)
            projects.create(demo.NAME, [(demo.VARIANT, one)], "demo", demo=key, evidence=evidence)
            made.append(demo.NAME)
    return made
