"""The papers that a vehicle needs in its region, with who signs them and who did."""

from __future__ import annotations

from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.handover.part import PaperPart
from bothy.core.handover.words import say

SYSTEMS = ("mains", "gas", "dc", "vehicle", "seats")
"""What papers there are for; their names by region are of the catalogue."""


def papers_of(d: Design, facts: Facts) -> list[PaperPart]:
    """The papers that a vehicle needs in its region, with who signed them; nothing is ever filled in as if signed."""
    signed = {x.id: x for x in facts.papers}
    mains = d.power.shore is not None or any(c.kind == "ac" for c in d.wiring.circuits)
    there = {
        "mains": mains,
        "gas": bool(d.gas.vessels and d.gas.appliances),
        "dc": bool(d.wiring.circuits),
        "vehicle": "registration" in d.build.also,
        "seats": "belted_seat" in d.build.also,
    }
    out = []
    for system, needed in there.items():
        if not needed:
            continue
        s = signed.get(system)
        out.append(
            PaperPart(
                id=system,
                name=say(f"papers-{system}-{d.region}"),
                system=system,
                by=say(f"papers-by-{system}"),
                needed=system in ("mains", "gas", "seats"),
                signed_by=s.name if s else "",
                licence=s.licence if s else "",
                number=s.number if s else "",
                on=s.on if s else "",
                signature=s.signature if s else "",
            )
        )
    return out
