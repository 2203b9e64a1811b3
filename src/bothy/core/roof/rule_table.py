"""The rules of the roof: severity, words and sources."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice

PLAN, CUT, BOND, CURE, GASKET = Method("roof.plan"), Method("roof.cut-out"), Method("roof.adhesive"), Method("roof.cure-window"), Method("roof.gasket")
SHEET = OwnChoice("the product’s data sheet")

rules(
    "fit",
    (
        ("fit-roof-overlap", "fault", "Two things on one spot of the roof", "Move one of them by what is missing.", PLAN),
        ("fit-roof-edge", "fault", "Over the edge of the roof", "Move it inboard, or choose a smaller one.", PLAN),
        (
            "fit-roof-rib-cut",
            "fault",
            "Cuts a rib or a bow",
            "Move it between two ribs, or carry the cut with a frame to the next bows and enter that.",
            CUT,
        ),
        ("fit-roof-below", "danger", "Something lies under the cut", "Move the cut clear of it by 50 mm; cut only after you looked from below.", CUT),
        ("fit-roof-walkway", "note", "No strip to walk or reach along", "Leave 0.3 m free beside what needs cleaning, or reach it from a ladder.", PLAN),
        ("fit-panel-shaded", "advice", "Shade on a panel", "Move it apart, or put what it shades on a string of its own.", Method("roof.string-shade")),
        ("fit-panel-airgap", "advice", "Air under a panel", "Set its feet so that 20 to 40 mm of air are under it.", PLAN),
        ("fit-gland-place", "advice", "Gland far from its panel", "Put it within 0.3 m of a panel, under it or behind it, on a flat.", PLAN),
        ("fit-gasket-trim", "advice", "Gasket crosses a rib", "Change the gasket at the rib: trim off it what is said.", GASKET),
        ("fit-rib-too-high", "fault", "Rib too high for the gasket", "Fill the valleys with bonded strips, and seat the unit on a level frame.", GASKET),
        ("fit-clamp-packing", "advice", "Roof thinner than the clamp takes", "Fit a wooden or plastic frame of that thickness under it.", GASKET),
        ("fit-clamp-too-thick", "fault", "Roof thicker than the clamp takes", "Fit the maker’s longer bolts, or thin the lining round it.", GASKET),
        (
            "fit-bond-area-short",
            "danger",
            "Bond too small for the wind",
            "Lay more bead, close the leading edge, or bolt it.",
            BOND + Method("roof.wind"),
        ),
        (
            "fit-roof-bolts-weak",
            "danger",
            "Bolts too weak for the wind",
            "Use more bolts, or larger ones with plates under them.",
            Method("roof.wind") + Method("fit.tie-down"),
        ),
        ("fit-bond-too-thin", "fault", "Bead too thin", "Set it on spacers of that thickness.", BOND),
        ("fit-bond-surface", "fault", "Nothing to bond on", "Bond on a surface that holds, or bolt it.", BOND + SHEET),
        ("fit-bond-leading-edge", "advice", "Leading edge open", "Close the front edge with a fairing or a full bead.", Method("roof.wind")),
        ("fit-cure-too-cold", "fault", "Too cold to bond", "Bond on a warmer day, in a heated hall, or with another product.", CURE + SHEET),
        ("fit-cure-too-hot", "fault", "Too hot to bond", "Bond in the cool of the morning, in the shade, or with another product.", CURE + SHEET),
        ("fit-cure-too-wet", "fault", "Rain on the day of the bond", "Bond on the next dry day, or under a roof.", CURE),
        (
            "fit-cure-path-long",
            "fault",
            "Bead too wide to cure",
            "Lay several narrow beads with air between them, or use a two-part product.",
            Method("roof.cure"),
        ),
        ("fit-drive-before-cure", "danger", "Driven before it has cured", "Wait until it has cured, or strap it down and drive slowly to a hall.", CURE),
    ),
)
