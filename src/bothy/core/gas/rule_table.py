"""The rules of gas: severity, words and sources."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.finding import Finding, rules
from bothy.core.method.sources import Method, OwnChoice, Standard

rules(
    "gas",
    (
        (
            "gas-licence-required",
            "danger",
            Method("gas.papers"),
        ),
        ("gas-no-certificate", "danger", Method("gas.papers")),
        (
            "gas-locker-not-sealed",
            "danger",
            Method("gas.locker") + Standard("EN 1949"),
        ),
        (
            "gas-locker-inside-access",
            "danger",
            Method("gas.locker") + Standard("EN 1949") + OwnChoice("typical"),
        ),
        (
            "gas-locker-vent-small",
            "danger",
            Method("gas.locker"),
        ),
        (
            "gas-locker-vent-blocked",
            "danger",
            Method("gas.locker") + OwnChoice("practice"),
        ),
        (
            "gas-vent-near-opening",
            "danger",
            Method("gas.lines"),
        ),
        (
            "gas-locker-spark",
            "danger",
            Method("gas.locker") + Standard("EN 1949"),
        ),
        (
            "gas-cylinder-lying",
            "danger",
            Method("gas.locker") + OwnChoice("practice"),
        ),
        (
            "gas-cylinder-loose",
            "danger",
            Method("vehicle.restraint"),
        ),
        (
            "gas-vessel-indoors",
            "danger",
            Method("gas.locker") + Standard("EN 1949"),
        ),
        (
            "gas-locker-missing",
            "danger",
            Method("gas.locker") + Standard("EN 1949"),
        ),
        (
            "gas-vessel-too-large",
            "fault",
            Method("gas.locker", "geometry"),
        ),
        (
            "gas-mass-unplanned",
            "fault",
            Method("gas.autonomy") + OwnChoice("practice"),
        ),
        (
            "gas-drop-vent-missing",
            "danger",
            Method("gas.rooms") + OwnChoice("practice") + OwnChoice("typical"),
        ),
        (
            "gas-permanent-vent-short",
            "danger",
            Method("warmth.ventilation") + Standard("EN 721"),
        ),
        (
            "gas-not-room-sealed",
            "danger",
            Method("gas.rooms") + Standard("EN 1949") + Standard("EN 624"),
        ),
        (
            "gas-hob-as-heater",
            "danger",
            Method("gas.rooms") + OwnChoice("practice"),
        ),
        (
            "gas-no-flame-failure",
            "danger",
            Method("gas.rooms") + Standard("EN 30-1-1") + Standard("EN 1949"),
        ),
        (
            "gas-pressure-mismatch",
            "danger",
            Method("gas.consumption") + Standard("EN 437"),
        ),
        (
            "gas-regulator-missing",
            "danger",
            Method("gas.consumption"),
        ),
        ("gas-regulator-small", "fault", Method("gas.consumption")),
        (
            "gas-regulator-old",
            "fault",
            Method("gas.lines") + Standard("EN 16129") + OwnChoice("typical"),
        ),
        ("gas-hose-expired", "danger", Method("gas.lines")),
        ("gas-hose-long", "fault", Method("gas.lines")),
        (
            "gas-hose-through-wall",
            "danger",
            Method("gas.lines") + Standard("EN 1949"),
        ),
        (
            "gas-no-isolation",
            "danger",
            Method("gas.lines") + Standard("EN 1949"),
        ),
        (
            "gas-appliance-unpiped",
            "note",
            Method("gas.pipe-size"),
        ),
        (
            "gas-appliance-unlisted",
            "advice",
            Method("gas.consumption"),
        ),
        ("gas-pipe-drop-high", "fault", Method("gas.pipe-size")),
        (
            "gas-pipe-transition",
            "advice",
            Method("gas.pipe-drop"),
        ),
        (
            "gas-pipe-unsupported",
            "fault",
            Method("gas.lines"),
        ),
        (
            "gas-pipe-near-cable",
            "danger",
            Method("gas.lines"),
        ),
        (
            "gas-joint-hidden",
            "danger",
            Method("gas.lines") + Standard("EN 1949"),
        ),
        (
            "gas-fridge-open",
            "fault",
            Method("gas.rooms") + Standard("EN 1949"),
        ),
        (
            "gas-unlisted",
            "advice",
            Method("gas.papers", "definition"),
        ),
        (
            "gas-joint-wrong-type",
            "fault",
            Method("gas.lines") + Standard("EN 1949"),
        ),
        (
            "gas-test-missing",
            "danger",
            Method("gas.leak-test"),
        ),
        (
            "gas-test-failed",
            "danger",
            Method("gas.leak-test"),
        ),
        ("gas-test-invalid", "fault", Method("gas.leak-test")),
        ("gas-test-unsigned", "advice", Method("gas.papers")),
        (
            "gas-test-overpressure",
            "danger",
            Method("gas.leak-test"),
        ),
        (
            "gas-check-failed",
            "danger",
            Method("gas.leak-test"),
        ),
        (
            "gas-lpg-alarm-missing",
            "danger",
            Method("gas.rooms") + Standard("EN 50194-2"),
        ),
        (
            "gas-co-alarm-missing",
            "danger",
            Method("gas.rooms") + Standard("EN 50291-2"),
        ),
        (
            "gas-solenoid-open-type",
            "danger",
            Method("gas.lines") + OwnChoice("practice"),
        ),
        (
            "gas-solenoid-panel",
            "note",
            Method("gas.consumption"),
        ),
        (
            "gas-ignition-supply",
            "note",
            Method("gas.consumption"),
        ),
        (
            "gas-solenoid-energy",
            "note",
            Method("gas.consumption"),
        ),
        (
            "gas-butane-cold",
            "fault",
            Method("gas.vapour-pressure"),
        ),
        ("gas-mix-residue", "note", Method("gas.vapour-pressure")),
        (
            "gas-vaporisation-short",
            "fault",
            Method("gas.vaporisation"),
        ),
        ("gas-autonomy-short", "advice", Method("gas.autonomy")),
        (
            "gas-overfill",
            "danger",
            Method("gas.autonomy") + Standard("UNECE R67"),
        ),
        (
            "gas-no-fill-on-route",
            "note",
            Method("gas.papers"),
        ),
        (
            "gas-drive-open",
            "danger",
            Method("gas.lines") + Standard("UNECE R122"),
        ),
        (
            "gas-refuel-flame",
            "danger",
            Method("gas.lines") + OwnChoice("practice"),
        ),
        (
            "gas-ferry-tunnel",
            "note",
            Method("gas.papers", "operator's rule"),
        ),
        (
            "gas-near-heat",
            "danger",
            Method("gas.locker") + OwnChoice("practice"),
        ),
        (
            "gas-bbq-point",
            "note",
            Method("gas.lines") + Standard("EN 1949"),
        ),
        (
            "gas-boat-drain",
            "danger",
            Method("gas.locker") + Standard("EN ISO 10239"),
        ),
        (
            "gas-alcohol-refill",
            "danger",
            Method("gas.rooms") + OwnChoice("practice"),
        ),
        (
            "gas-induction-power",
            "advice",
            Method("gas.cooking"),
        ),
    ),
)

Found = Iterator[Finding]
