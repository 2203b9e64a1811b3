"""The rules of openings in sides, rear and floor: severity and sources; what they say stands in core/words/rules."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice

CUT, GASKET = Method("roof.side-cut"), Method("roof.gasket")
APART = OwnChoice("Half a metre between an exhaust and what opens near it; makers’ manuals say 0.3 to 0.5 m, and local rules may say more.")

rules(
    "fit",
    (
        ("fit-side-edge", "fault", CUT),
        ("fit-side-member", "fault", CUT),
        ("fit-side-never", "danger", CUT),
        ("fit-side-door", "fault", CUT),
        ("fit-side-overlap", "fault", CUT),
        ("fit-side-behind", "advice", CUT + Method("fit.places")),
        ("fit-side-run", "fault", CUT),
        ("fit-side-unseen", "advice", CUT),
        ("fit-flue-opening", "danger", CUT + APART),
        ("fit-side-thin", "advice", GASKET),
        ("fit-side-thick", "fault", GASKET),
    ),
)
