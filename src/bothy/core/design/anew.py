"""A design for another vehicle of the same kind: all that was decided, nothing that belongs to the one that was built."""

from __future__ import annotations

from bothy.core.design.document import Design
from bothy.core.design.handover import Handover


def anew(design: Design) -> Design:
    """The design without its owner, places in words, odometer and counters, without days of the build, and with its findings to be answered again."""
    b = design.build
    gone: dict[str, object] = {
        "start_day": None,
        "deadline": None,
        "away": [],
        "visits": [],
        "pins": [],
        "order": [],
        "baseline": None,
        "coming": [],
        "coming_from": "",
        "pace": None,
    }
    people = [p.model_copy(update={"from_day": None, "to_day": None}) for p in b.people]
    bonding = design.fit.roof.bonding.model_copy(update={"day": None, "drive_day": None})
    roof = design.fit.roof.model_copy(update={"bonding": bonding})
    return design.model_copy(
        update={
            "handover": Handover(),
            "accepted": [],
            "build": b.model_copy(update={**gone, "people": people}),
            "fit": design.fit.model_copy(update={"roof": roof}),
        }
    )
