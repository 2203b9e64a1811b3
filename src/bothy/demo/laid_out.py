"""Where everything stands in the demos: what Bothy proposed, moved by hand where a demo has its mistake to find."""

from __future__ import annotations

import json
from importlib import resources
from typing import Any


def places_of(demo: str) -> dict[str, Any]:
    """The layout of a demo, as the design document holds it."""
    text = (resources.files(__package__) / "places" / f"{demo}.json").read_text(encoding="utf-8")
    made: dict[str, Any] = json.loads(text)
    return made


def building_of(demo: str) -> tuple[dict[str, Any], dict[str, Any]]:
    """How a demo is built, and what its log says: part of the design document, and facts."""
    made = json.loads((resources.files(__package__) / "places" / f"{demo}_build.json").read_text(encoding="utf-8"))
    return made["build"], made["facts"]


def proof_of(demo: str) -> dict[str, Any]:
    """What was proved on a demo so far: facts."""
    made: dict[str, Any] = json.loads((resources.files(__package__) / "places" / f"{demo}_proof.json").read_text(encoding="utf-8"))
    return made


def book_of(demo: str) -> tuple[dict[str, Any], dict[str, Any]]:
    """What a demo's book was told: part of the design document, and facts."""
    made = json.loads((resources.files(__package__) / "places" / f"{demo}_book.json").read_text(encoding="utf-8"))
    return made["handover"], made["facts"]
