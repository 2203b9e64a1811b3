"""The rules of water: severity, words and sources."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.finding import Finding, rules
from bothy.core.method.sources import Method, OwnChoice, Standard

rules(
    "water",
    (
        (
            "water-autonomy-short",
            "advice",
            Method("water.autonomy"),
        ),
        (
            "water-grey-before-fresh",
            "advice",
            Method("water.autonomy"),
        ),
        ("water-drinking-short", "fault", Method("water.demand")),
        (
            "water-drinking-untreated",
            "advice",
            Method("water.sanitising"),
        ),
        (
            "water-material-not-food-grade",
            "danger",
            Method("water.care") + Standard("BS 6920") + Standard("NSF/ANSI/CAN 61") + Standard("AS/NZS 4020"),
        ),
        ("water-tank-shape", "fault", Method("water.tank")),
        ("water-restraint-weak", "danger", Method("water.tank")),
        (
            "water-restraint-missing",
            "danger",
            Method("water.tank"),
        ),
        (
            "water-mass-unplanned",
            "fault",
            Method("water.tank") + OwnChoice("practice"),
        ),
        ("water-mass-high", "advice", Method("water.tank", "physics")),
        ("water-no-baffle", "advice", Method("water.tank")),
        ("water-vent-missing", "fault", Method("water.waste", "physics")),
        ("water-vent-small", "fault", Method("water.waste")),
        (
            "water-vent-low",
            "fault",
            Method("water.waste", "physics"),
        ),
        (
            "water-fill-small",
            "advice",
            Method("water.waste") + OwnChoice("practice"),
        ),
        (
            "water-over-electrics",
            "danger",
            Method("water.tank") + OwnChoice("practice"),
        ),
        (
            "water-no-shutoff",
            "fault",
            Method("water.care") + OwnChoice("practice"),
        ),
        (
            "water-no-leak-tray",
            "advice",
            Method("water.care") + OwnChoice("practice"),
        ),
        (
            "water-joint-hidden",
            "advice",
            Method("water.care") + OwnChoice("practice"),
        ),
        ("water-crossover-dead", "fault", Method("water.crossover")),
        ("water-crossover-slow", "fault", Method("water.crossover")),
        (
            "water-crossover-vent",
            "fault",
            Method("water.crossover", "physics"),
        ),
        (
            "water-pump-no-strainer",
            "fault",
            Method("water.taps") + OwnChoice("practice"),
        ),
        ("water-pump-dry", "advice", Method("water.taps") + OwnChoice("practice")),
        (
            "water-pump-cut-in",
            "fault",
            Method("water.taps", "physics"),
        ),
        (
            "water-pump-load",
            "note",
            Method("water.taps"),
        ),
        (
            "water-tap-flow-low",
            "fault",
            Method("water.taps"),
        ),
        ("water-tap-flow-shared", "advice", Method("water.taps")),
        ("water-instant-no-ignite", "fault", Method("water.taps")),
        (
            "water-velocity-high",
            "advice",
            Method("water.pipe-loss"),
        ),
        ("water-velocity-excessive", "fault", Method("water.pipe-loss")),
        (
            "water-pump-cycling",
            "advice",
            Method("water.accumulator"),
        ),
        (
            "water-precharge-wrong",
            "fault",
            Method("water.accumulator"),
        ),
        (
            "water-pressure-over-rating",
            "danger",
            Method("water.taps") + OwnChoice("practice"),
        ),
        (
            "water-hookup-unregulated",
            "fault",
            Method("water.care") + Standard("EN 1717"),
        ),
        (
            "water-backflow",
            "danger",
            Method("water.care") + Standard("EN 1717"),
        ),
        (
            "water-hot-no-relief",
            "danger",
            Method("water.expansion"),
        ),
        (
            "water-hot-no-check",
            "advice",
            Method("water.storage") + Standard("EN 1717") + OwnChoice("practice"),
        ),
        ("water-hot-no-expansion", "fault", Method("water.expansion")),
        ("water-hot-no-mixer", "danger", Method("water.mixing")),
        (
            "water-hot-legionella",
            "danger",
            Method("water.storage") + OwnChoice("practice"),
        ),
        (
            "water-hot-pipe-rating",
            "danger",
            Method("water.storage") + OwnChoice("practice"),
        ),
        ("water-heater-dry", "fault", Method("water.storage") + OwnChoice("practice")),
        ("water-instant-weak", "fault", Method("water.instant")),
        (
            "water-hot-no-loop",
            "fault",
            Method("warmth.coolant"),
        ),
        (
            "water-hot-short",
            "advice",
            Method("water.mixing"),
        ),
        (
            "water-electric-hot-heavy",
            "advice",
            Method("water.storage"),
        ),
        (
            "water-drain-flat",
            "fault",
            Method("water.waste") + OwnChoice("practice"),
        ),
        (
            "water-drain-shallow",
            "advice",
            Method("water.waste") + OwnChoice("practice"),
        ),
        (
            "water-drain-small",
            "fault",
            Method("water.waste") + OwnChoice("practice"),
        ),
        (
            "water-no-trap",
            "fault",
            Method("water.waste") + OwnChoice("practice"),
        ),
        ("water-sink-edge", "advice", Method("water.waste")),
        (
            "water-grey-no-vent",
            "fault",
            Method("water.waste", "physics"),
        ),
        (
            "water-grey-no-alarm",
            "advice",
            Method("water.waste") + OwnChoice("practice"),
        ),
        (
            "water-direct-drain-black",
            "danger",
            Method("water.waste", "local law"),
        ),
        (
            "water-direct-drain-grey",
            "fault",
            Method("water.waste", "local law"),
        ),
        ("water-toilet-interval", "note", Method("water.autonomy")),
        ("water-freeze-exposed", "fault", Method("water.freezing")),
        (
            "water-freeze-no-drain",
            "fault",
            Method("water.freezing") + OwnChoice("practice"),
        ),
        ("water-sanitise-due", "advice", Method("water.sanitising")),
        (
            "water-chlorine-strong",
            "danger",
            Method("water.sanitising"),
        ),
        ("water-filter-due", "advice", Method("water.filters")),
        (
            "water-filter-over-rated",
            "advice",
            Method("water.filters"),
        ),
        (
            "water-uv-unprotected",
            "fault",
            Method("water.filters") + Standard("NSF/ANSI 55"),
        ),
        (
            "water-not-tested",
            "fault",
            Method("water.hold-test"),
        ),
        (
            "water-air-test-high",
            "danger",
            Method("water.hold-test", "physics"),
        ),
        (
            "water-shower-unsealed",
            "fault",
            Method("water.care") + OwnChoice("practice"),
        ),
        ("water-gauge-blind", "note", Method("water.gauge")),
        ("water-sender-cable", "advice", Method("water.gauge")),
        ("water-gauge-wrong", "fault", Method("water.gauge")),
    ),
)

Found = Iterator[Finding]
