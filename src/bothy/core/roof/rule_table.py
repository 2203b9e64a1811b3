"""The rules of the roof: severity and sources; what they say stands in core/words/rules."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice

PLAN, CUT, BOND, CURE, GASKET = Method("roof.plan"), Method("roof.cut-out"), Method("roof.adhesive"), Method("roof.cure-window"), Method("roof.gasket")
SHEET = OwnChoice("the product’s data sheet")

rules(
    "fit",
    (
        ("fit-roof-overlap", "fault", PLAN),
        ("fit-roof-edge", "fault", PLAN),
        ("fit-roof-seam", "fault", PLAN),
        ("fit-roof-rib-cut", "fault", CUT),
        ("fit-roof-below", "danger", CUT),
        ("fit-roof-walkway", "note", PLAN),
        ("fit-panel-shaded", "advice", Method("roof.string-shade")),
        ("fit-panel-airgap", "advice", PLAN),
        ("fit-gland-place", "advice", PLAN),
        ("fit-gasket-trim", "advice", GASKET),
        ("fit-rib-too-high", "fault", GASKET),
        ("fit-clamp-packing", "advice", GASKET),
        ("fit-clamp-too-thick", "fault", GASKET),
        ("fit-bond-area-short", "danger", BOND + Method("roof.wind")),
        ("fit-roof-bolts-weak", "danger", Method("roof.wind") + Method("fit.tie-down")),
        ("fit-bond-too-thin", "fault", BOND),
        ("fit-bond-surface", "fault", BOND + SHEET),
        ("fit-bond-leading-edge", "advice", Method("roof.wind")),
        ("fit-cure-too-cold", "fault", CURE + SHEET),
        ("fit-cure-too-hot", "fault", CURE + SHEET),
        ("fit-cure-too-wet", "fault", CURE),
        ("fit-cure-path-long", "fault", Method("roof.cure")),
        ("fit-drive-before-cure", "danger", CURE),
    ),
)
