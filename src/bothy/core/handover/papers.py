"""The papers that a vehicle needs in its region, with who signs them and who did."""

from __future__ import annotations

from bothy.core.design.document import Design
from bothy.core.facts.document import Facts
from bothy.core.handover.part import PaperPart

PAPERS: dict[str, dict[str, str]] = {
    "mains": {
        "uk": "Installation certificate, BS 7671 with part 721",
        "eu": "Test report, HD 60364-7-721, national form",
        "us": "Inspection to NEC article 551, where it is asked for",
        "au": "Certificate of compliance, AS/NZS 3001.2",
    },
    "gas": {
        "uk": "Gas safety record, EN 1949",
        "eu": "Inspection certificate, EN 1949, national form",
        "us": "Leakage test record, NFPA 1192",
        "au": "Compliance certificate and plate, AS/NZS 5601.2",
    },
    "dc": {
        "uk": "Builder’s declaration for low voltage, EN 1648",
        "eu": "Builder’s declaration for low voltage, EN 1648",
        "us": "Builder’s declaration for low voltage, NFPA 1192",
        "au": "Builder’s declaration for low voltage, AS/NZS 3001.2",
    },
    "vehicle": {
        "uk": "Change of body type",
        "eu": "Technical inspection and entry in the papers",
        "us": "Title or registration as a motor home, by state",
        "au": "Approval of the modification",
    },
    "seats": {"uk": "Approval of seats and belts", "eu": "Approval of seats and belts", "us": "Statement to FMVSS", "au": "Engineer’s certificate"},
}
BY = {"mains": "a licensed electrician", "gas": "a licensed gas fitter", "dc": "the builder", "vehicle": "the authority", "seats": "an engineer"}


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
                name=PAPERS[system][d.region],
                system=system,
                by=BY[system],
                needed=system in ("mains", "gas", "seats"),
                signed_by=s.name if s else "",
                licence=s.licence if s else "",
                number=s.number if s else "",
                on=s.on if s else "",
                signature=s.signature if s else "",
            )
        )
    return out
