"""The rules of Fit: severity, words and sources."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice, Standard

BOXES, NEXT, AXLES = Method("fit.boxes"), Method("fit.neighbours"), Method("fit.axles")

rules(
    "fit",
    (
        (
            "fit-outside-shell",
            "fault",
            BOXES + Method("fit.shell"),
        ),
        ("fit-outside-bay", "fault", BOXES),
        ("fit-obstacle", "fault", BOXES),
        ("fit-overlap", "fault", BOXES),
        (
            "fit-clearance-blocked",
            "fault",
            BOXES + OwnChoice("the maker’s manual"),
        ),
        (
            "fit-travel-state",
            "fault",
            BOXES,
        ),
        (
            "fit-orientation",
            "danger",
            Method("fit.sizes") + OwnChoice("the maker’s manual"),
        ),
        (
            "fit-door-too-small",
            "fault",
            Method("fit.door"),
        ),
        (
            "fit-removal-blocked",
            "advice",
            Method("fit.door") + Method("fit.corner"),
        ),
        (
            "fit-port-outside",
            "note",
            Method("fit.sizes"),
        ),
        ("fit-station-from-wall", "note", Method("fit.shell")),
        (
            "fit-water-above-mains",
            "danger",
            NEXT + Standard("IEC 60364-7-721"),
        ),
        (
            "fit-water-above-dc",
            "fault",
            NEXT + Standard("ISO 13297"),
        ),
        (
            "fit-battery-near-heat",
            "danger",
            NEXT + OwnChoice("typical"),
        ),
        (
            "fit-electrics-in-gas-locker",
            "danger",
            NEXT + Standard("EN 1949") + Standard("NFPA 1192"),
        ),
        (
            "fit-stove-combustible",
            "danger",
            NEXT + Standard("EN 1949") + OwnChoice("typical distances"),
        ),
        (
            "fit-isolator-hidden",
            "danger",
            NEXT + Standard("EN 1648-1") + Standard("EN 1949"),
        ),
        ("fit-no-hatch", "fault", NEXT + OwnChoice("practice")),
        ("fit-heavy-high", "advice", AXLES),
        ("fit-heavy-behind-axle", "advice", AXLES),
        ("fit-mass-missing", "note", Method("fit.sizes")),
        ("fit-switch-height", "advice", NEXT + Standard("ISO 21542")),
        (
            "fit-socket-near-water",
            "danger",
            NEXT + Standard("IEC 60364-7-721") + Standard("NFPA 70", "551"),
        ),
        (
            "fit-noise-by-bed",
            "advice",
            NEXT + OwnChoice("typical"),
        ),
        (
            "fit-bed-locker",
            "note",
            NEXT + OwnChoice("practice"),
        ),
        (
            "fit-bundle-derate",
            "note",
            Method("fit.routes") + Standard("IEC 60364-5-52", "table B.52.17"),
        ),
        ("fit-gone", "note", BOXES),
        ("fit-route-none", "fault", Method("fit.routes")),
        ("fit-route-heat", "fault", Method("fit.routes")),
        ("fit-route-moving-part", "fault", Method("fit.routes")),
        ("fit-route-sharp-edge", "advice", Method("fit.routes")),
        (
            "fit-tie-down-none",
            "danger",
            Method("fit.tie-down"),
        ),
        (
            "fit-tie-down-weak",
            "danger",
            Method("fit.tie-down"),
        ),
        (
            "fit-gross-over",
            "danger",
            AXLES + Standard("vehicle’s plate"),
        ),
        ("fit-axle-over", "danger", AXLES + Standard("vehicle’s plate")),
        ("fit-payload-thin", "advice", AXLES + Standard("EU 2021/535")),
        (
            "fit-reserve-short",
            "advice",
            AXLES + Standard("EU 2021/535"),
        ),
        (
            "fit-camper-mass",
            "fault",
            AXLES + Standard("vehicle’s plate"),
        ),
        (
            "fit-camper-behind",
            "fault",
            AXLES + OwnChoice("practice"),
        ),
        ("fit-axle-lift", "danger", AXLES),
        ("fit-front-axle-light", "fault", AXLES + OwnChoice("typical limit of body builders")),
        ("fit-side-imbalance", "advice", AXLES + OwnChoice("typical")),
        ("fit-top-heavy", "advice", AXLES),
        ("fit-licence", "note", AXLES + OwnChoice("national law")),
        ("fit-roof-load", "fault", AXLES + OwnChoice("the vehicle maker’s manual")),
        ("fit-nose-light", "danger", Method("fit.trailer")),
        ("fit-nose-heavy", "fault", Method("fit.trailer")),
        ("fit-nose-over-limit", "fault", Method("fit.trailer") + Standard("vehicle’s plate")),
        (
            "fit-tow-over",
            "danger",
            Method("fit.trailer") + Standard("vehicle’s plate"),
        ),
        (
            "fit-tow-ratio",
            "advice",
            Method("fit.trailer") + OwnChoice("advice in the UK"),
        ),
        (
            "fit-mass-unaccounted",
            "advice",
            Method("fit.weighbridge"),
        ),
        (
            "fit-mass-misplaced",
            "advice",
            Method("fit.weighbridge"),
        ),
        (
            "fit-lump-implausible",
            "note",
            Method("fit.weighbridge"),
        ),
        (
            "test-overweight",
            "danger",
            Method("fit.weighbridge") + Standard("vehicle’s plate"),
        ),
        ("test-weight-differs", "note", Method("fit.weighbridge")),
    ),
)
