"""A report and its design as they are sent and stored: JSON, section by section, each written once while it stays the same."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Any, NamedTuple

import orjson
from pydantic import BaseModel

from bothy.core.book import FigureOut
from bothy.core.design.document import Design
from bothy.core.report import Report
from bothy.core.sound import Sound

Sections = dict[str, bytes]
"""JSON of each section, by its name."""


class Sent(NamedTuple):
    """A design with its report, both as JSON by section, and the figures as they are shown."""

    one: Sound
    document: Sections
    sections: Sections
    figures: dict[str, FigureOut]

    def text(self) -> str:
        """The whole design as JSON."""
        return orjson.dumps(fragments(self.document)).decode()


def fragments(sections: Sections) -> dict[str, orjson.Fragment]:
    """Sections as a value that goes into JSON as it stands."""
    return {k: orjson.Fragment(v) for k, v in sections.items()}


def _sections(new: BaseModel, names: Iterable[str], old: BaseModel | None, written: Sections) -> Sections:
    kept = {k for k in names if old is not None and getattr(new, k) is getattr(old, k)}
    made = new.model_dump(mode="json", include=set(names) - kept)
    return {k: written[k] if k in kept else orjson.dumps(made[k]) for k in names}


_OF_DESIGN, _OF_REPORT = list(Design.model_fields), [name for name in Report.model_fields if name != "figures"]


def sent(one: Sound, before: Sent | None = None) -> Sent:
    """Write a design and its report; sections that are the very same in those ``before`` are taken from there."""
    old_design, old_report = before.one if before else (None, None)
    document = _sections(one.design, _OF_DESIGN, old_design, before.document if before else {})
    sections = _sections(one.report, _OF_REPORT, old_report, before.sections if before else {})
    return Sent(one, document, sections, one.report.figures)


def change(old: Sent | None, new: Sent) -> dict[str, Any]:
    """What of a report changed: whole sections, and figure by figure; everything when there is no old one.

    ``{"sections": {...}, "figures": {...}, "gone": [...]}``, sections as JSON that goes as it stands.
    """
    if old is None:
        return {"sections": fragments(new.sections), "figures": new.figures, "gone": []}
    was, now = old.figures, new.figures
    return {
        "sections": fragments({k: v for k, v in new.sections.items() if v is not old.sections[k] and v != old.sections[k]}),
        "figures": {k: v for k, v in now.items() if (then := was.get(k)) is not v and then != v},
        "gone": [k for k in was if k not in now],
    }
