"""The rules of Build: severity and sources; what they say stands in core/words/rules."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice

PRACTICE = Method("build.tasks") + OwnChoice("practice of the trades")
LAW = Method("build.tasks") + OwnChoice("law of the region")
PLAN, GATE, ORDER = Method("build.schedule"), Method("build.gate"), Method("build.order-date")

rules(
    "build",
    (
        ("build-no-people", "fault", PLAN),
        ("build-cycle", "fault", Method("build.critical-path")),
        ("build-lift-alone", "fault", Method("build.lifting")),
        ("build-trade-not-asked", "advice", PLAN + OwnChoice("law of the region")),
        ("build-cure-stalled", "fault", Method("roof.cure-window")),
        ("build-cure-air", "fault", Method("roof.cure-window")),
        ("build-cure-short", "fault", Method("roof.cure-window")),
        ("build-bare-edge", "fault", PRACTICE),
        ("build-no-water-test", "fault", PRACTICE),
        ("build-cut-unchecked", "fault", PRACTICE),
        ("build-battery-early", "danger", Method("prove.commissioning")),
        ("build-duct-before-box", "fault", PRACTICE),
        ("build-no-bench-test", "advice", ORDER),
        ("build-return-window", "advice", ORDER),
        ("build-hot-work", "danger", PRACTICE),
        ("build-solvent-ignition", "danger", PRACTICE),
        ("build-ac-licence", "danger", LAW),
        ("build-gas-licence", "danger", LAW),
        ("build-structure-licence", "danger", LAW),
        ("build-trade-visit-idle", "advice", PLAN),
        ("build-blocked-way", "fault", Method("fit.corner")),
        ("build-reel-join", "fault", Method("build.cuts")),
        ("build-punch-open", "advice", Method("build.pace")),
        ("build-deadline", "fault", Method("build.finish")),
        ("build-order-late", "fault", ORDER),
        ("build-parts-short", "fault", ORDER),
        ("build-parts-damaged", "fault", ORDER),
        ("build-close-before-services", "fault", GATE),
        ("build-gate-not-done", "fault", GATE),
        ("build-gate-not-tested", "fault", GATE),
        ("build-gate-hidden-joint", "fault", GATE),
        ("build-gate-not-labelled", "advice", GATE),
        ("build-gate-no-photo", "advice", GATE),
        ("build-not-belonging", "advice", Method("build.tasks")),
        ("build-items-left", "advice", Method("build.tasks")),
        ("build-pace", "note", Method("build.pace")),
        ("build-budget", "advice", Method("build.packs")),
    ),
)
