"""The rules of openings in sides, rear and floor: severity, words and sources."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice

CUT, GASKET = Method("roof.side-cut"), Method("roof.gasket")
APART = OwnChoice("Half a metre between an exhaust and what opens near it; makers’ manuals say 0.3 to 0.5 m, and local rules may say more.")

rules(
    "fit",
    (
        ("fit-side-edge", "fault", "Over the edge of its wall", "Move it back by what is missing, or choose a smaller one.", CUT),
        (
            "fit-side-member",
            "fault",
            "Cuts a pillar or a rail",
            "Move it between two members, or carry the cut with a frame to the next ones and enter that.",
            CUT,
        ),
        ("fit-side-never", "danger", "Cuts what must not be cut", "Move the cut clear of it by 50 mm; cut only after you looked from the other side.", CUT),
        ("fit-side-door", "fault", "Half in a door", "Move it wholly into the door, or wholly beside it.", CUT),
        ("fit-side-overlap", "fault", "Two openings in each other", "Move one of them by what is missing.", CUT),
        ("fit-side-behind", "advice", "Something stands behind it", "Move the opening, or what stands behind it.", CUT + Method("fit.places")),
        (
            "fit-side-run",
            "fault",
            "A cable or pipe runs behind the cut",
            "Move the cut until it is 50 mm off, or lead the run another way before you cut.",
            CUT,
        ),
        (
            "fit-side-unseen",
            "advice",
            "Nobody looked under the floor",
            "Look from below, and enter rails, brake and fuel lines, looms and the tank before anything is drilled.",
            CUT,
        ),
        ("fit-flue-opening", "danger", "Exhaust beside what opens", "Move them apart, and never below or beside a window that opens.", CUT + APART),
        ("fit-side-thin", "advice", "Wall thinner than the clamp takes", "Fit a frame of wood or plastic of that thickness round it.", GASKET),
        ("fit-side-thick", "fault", "Wall thicker than the clamp takes", "Cut the lining back round it, or fit the maker’s longer clamp.", GASKET),
    ),
)
