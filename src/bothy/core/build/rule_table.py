"""The rules of Build: severity, words and sources."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice

PRACTICE = Method("build.tasks") + OwnChoice("practice of the trades")
LAW = Method("build.tasks") + OwnChoice("law of the region")
PLAN, GATE, ORDER = Method("build.schedule"), Method("build.gate"), Method("build.order-date")

rules(
    "build",
    (
        ("build-no-people", "fault", "Nobody is there for it", "Enter who works when, or ask for help.", PLAN),
        ("build-cycle", "fault", "Tasks that wait for each other", "Take one of the orders away.", Method("build.critical-path")),
        ("build-lift-alone", "fault", "A lift for more than one", "Ask a second person for that day, or use a lifting aid.", Method("build.lifting")),
        ("build-trade-not-asked", "advice", "A licensed trade has no day yet", "Ask the trade, and enter the visit.", PLAN + OwnChoice("law of the region")),
        ("build-cure-stalled", "fault", "It doesn’t cure in that weather", "Build it in a heated hall, or later in the year.", Method("roof.cure-window")),
        (
            "build-cure-air",
            "fault",
            "Made in air that it doesn’t cure in",
            "Pull at a test piece made with it; where that lets go, make it again in the warm.",
            Method("roof.cure-window"),
        ),
        ("build-cure-short", "fault", "Begun before a bond had cured", "Take the load off it and wait; then pull at it.", Method("roof.cure-window")),
        ("build-bare-edge", "fault", "A cut edge that isn’t painted", "Take it out again, paint the edge, let it dry.", PRACTICE),
        ("build-no-water-test", "fault", "Closed before the water test", "Hold a hose at each opening for ten minutes first.", PRACTICE),
        (
            "build-cut-unchecked",
            "fault",
            "A cut before the part was there and marked",
            "Compare the part in hand; drill a pilot hole and look from both sides.",
            PRACTICE,
        ),
        (
            "build-battery-early",
            "danger",
            "Power before the dead tests",
            "Take the main fuse out and tag it; do the dead tests first.",
            Method("prove.commissioning"),
        ),
        ("build-duct-before-box", "fault", "Boxed in before its ducts are on", "Open the box and put the ducts on.", PRACTICE),
        ("build-no-bench-test", "advice", "Fitted without a test on the bench", "Test it now, while it may go back.", ORDER),
        ("build-return-window", "advice", "Tested too late to go back", "Test it on the bench before that day.", ORDER),
        (
            "build-hot-work",
            "danger",
            "Sparks where something burns",
            "Take out what burns, or cover it wet; extinguisher at hand; watch for half an hour.",
            PRACTICE,
        ),
        ("build-solvent-ignition", "danger", "Fumes and sparks on one day", "Air for four hours first; no flame, heater or grinder meanwhile.", PRACTICE),
        ("build-ac-licence", "danger", "Mains work without a licence", "Leave it dead, and let the licensed trade of your region check it.", LAW),
        ("build-gas-licence", "danger", "Gas work without a licence", "Shut the cylinder, and let the licensed trade of your region check it.", LAW),
        ("build-structure-licence", "danger", "Structural work without a licence", "Leave it standing until an approved engineer has seen it.", LAW),
        ("build-trade-visit-idle", "advice", "A visit with nothing to do", "Move the visit, or bring forward what it waits for.", PLAN),
        ("build-blocked-way", "fault", "It won’t come in past the furniture", "Bring it in first, or build that piece around it.", Method("fit.corner")),
        (
            "build-reel-join",
            "fault",
            "Longer than any length that is sold",
            "Find a longer reel, or another way; don’t join it behind a wall.",
            Method("build.cuts"),
        ),
        ("build-punch-open", "advice", "Small things are still open", "Mend them, or say why they may stay, before you hand over.", Method("build.pace")),
        ("build-deadline", "fault", "Later than the deadline", "Enter more hours or a second person, or leave out what isn’t needed.", Method("build.finish")),
        ("build-order-late", "fault", "To be ordered at once", "Order it today, express, or choose one that is in stock.", ORDER),
        ("build-parts-short", "fault", "Fewer came than were ordered", "Claim them and order again.", ORDER),
        ("build-parts-damaged", "fault", "Came damaged", "Claim it while the return period runs.", ORDER),
        ("build-close-before-services", "fault", "Closed with something open behind it", "Open it again, or prove what is behind it.", GATE),
        ("build-gate-not-done", "fault", "Not done behind a wall", "Do it before it is closed.", GATE),
        ("build-gate-not-tested", "fault", "Not tested behind a wall", "Test it before it is closed.", GATE),
        ("build-gate-hidden-joint", "fault", "A joint out of reach", "Move the joint, or fit a hatch.", GATE),
        ("build-gate-not-labelled", "advice", "No label behind a wall", "Write its label on both ends.", GATE),
        ("build-gate-no-photo", "advice", "No photograph of it", "Take one with a tape in the picture.", GATE),
        ("build-not-belonging", "advice", "Done, and no longer in the design", "Check what it left: a hole, a cable, a pipe.", Method("build.tasks")),
        ("build-items-left", "advice", "Done, and not all of it ticked", "Do what is left, or tick it.", Method("build.tasks")),
        ("build-pace", "note", "Slower or faster than the library", "Check the dates: the plan reckons with it.", Method("build.pace")),
        ("build-budget", "advice", "Near or over the budget", "Choose cheaper parts, or leave something out.", Method("build.packs")),
    ),
)
