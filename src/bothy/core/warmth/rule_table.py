"""The rules of warmth and air: severity, words and sources."""

from __future__ import annotations

from collections.abc import Iterator

from bothy.core.finding import Finding, rules
from bothy.core.method.sources import Method, OwnChoice, Standard

rules(
    "warmth",
    (
        (
            "warm-shell-u-high",
            "advice",
            Method("warmth.u-value", "typical limits"),
        ),
        (
            "warm-cab-glass-share",
            "advice",
            Method("warmth.heat-loss"),
        ),
        (
            "warm-rib-share",
            "advice",
            Method("warmth.u-value"),
        ),
        ("warm-void", "advice", Method("warmth.u-value")),
        (
            "warm-foil-no-gap",
            "fault",
            Method("warmth.u-value") + Standard("ISO 6946"),
        ),
        ("warm-rigid-on-curve", "advice", Method("warmth.u-value")),
        ("warm-headroom", "advice", Method("warmth.shell") + OwnChoice("typical")),
        (
            "warm-floor-crush",
            "fault",
            Method("warmth.materials") + OwnChoice("typical"),
        ),
        (
            "warm-drain-blocked",
            "fault",
            Method("warmth.condensation") + OwnChoice("typical"),
        ),
        (
            "warm-deadening-over",
            "note",
            Method("warmth.u-value") + OwnChoice("typical"),
        ),
        (
            "warm-surface-wet",
            "fault",
            Method("warmth.condensation") + Standard("ISO 13788"),
        ),
        (
            "warm-glass-wet",
            "advice",
            Method("warmth.condensation") + Standard("ISO 13788"),
        ),
        (
            "warm-mould-risk",
            "advice",
            Method("warmth.condensation") + Standard("ISO 13788"),
        ),
        (
            "warm-interstitial",
            "fault",
            Method("warmth.condensation") + Standard("ISO 13788"),
        ),
        (
            "warm-interstitial-small",
            "advice",
            Method("warmth.condensation") + Standard("ISO 13788"),
        ),
        ("warm-barrier-cold-side", "fault", Method("warmth.condensation")),
        (
            "warm-fibre-no-barrier",
            "advice",
            Method("warmth.condensation"),
        ),
        ("warm-trapped-moisture", "advice", Method("warmth.condensation")),
        ("warm-air-leak", "note", Method("warmth.condensation")),
        (
            "warm-humidity-high",
            "advice",
            Method("warmth.moisture", "typical limit"),
        ),
        (
            "warm-cannot-dry-by-air",
            "note",
            Method("warmth.moisture"),
        ),
        (
            "warm-unflued-heating",
            "danger",
            Method("warmth.ventilation") + Standard("EN 1949"),
        ),
        (
            "warm-gas-vent-small",
            "danger",
            Method("warmth.ventilation") + Standard("EN 721") + Standard("PD 5482-3") + Standard("AS/NZS 5601.2"),
        ),
        ("warm-gas-vent-closable", "danger", Method("warmth.ventilation") + Standard("EN 721")),
        (
            "warm-co-alarm",
            "danger",
            Method("warmth.ventilation") + Standard("EN 50292"),
        ),
        (
            "warm-co-alarm-place",
            "fault",
            Method("warmth.ventilation") + Standard("EN 50292"),
        ),
        (
            "warm-smoke-alarm",
            "danger",
            Method("warmth.ventilation") + Standard("EN 14604"),
        ),
        (
            "warm-co-level",
            "danger",
            Method("warmth.ventilation") + Standard("EN 50291-2"),
        ),
        ("warm-co2-high", "advice", Method("warmth.ventilation") + OwnChoice("typical")),
        (
            "warm-co2-danger",
            "danger",
            Method("warmth.ventilation") + OwnChoice("typical"),
        ),
        ("warm-inlet-small", "advice", Method("warmth.ventilation")),
        (
            "warm-backdraught",
            "danger",
            Method("warmth.ventilation") + OwnChoice("typical"),
        ),
        (
            "warm-shower-extract",
            "advice",
            Method("warmth.ventilation") + OwnChoice("typical"),
        ),
        (
            "warm-heater-missing",
            "fault",
            Method("warmth.heaters", "comfort and frost") + Standard("EN 1646-1"),
        ),
        (
            "warm-heater-unlisted",
            "advice",
            Method("warmth.heaters", "definition"),
        ),
        (
            "warm-heater-undersized",
            "fault",
            Method("warmth.heaters") + Standard("EN 12831-1"),
        ),
        ("warm-heater-oversized", "advice", Method("warmth.heaters") + OwnChoice("typical")),
        (
            "warm-heater-cycling",
            "advice",
            Method("warmth.heaters"),
        ),
        (
            "warm-heater-altitude",
            "fault",
            Method("warmth.heaters") + OwnChoice("typical"),
        ),
        (
            "warm-combustion-air",
            "danger",
            Method("warmth.distances") + Standard("EN 1949"),
        ),
        (
            "warm-exhaust-opening",
            "danger",
            Method("warmth.distances") + OwnChoice("typical"),
        ),
        (
            "warm-exhaust-under",
            "danger",
            Method("warmth.distances") + OwnChoice("typical"),
        ),
        (
            "warm-exhaust-joint",
            "danger",
            Method("warmth.distances") + OwnChoice("typical"),
        ),
        (
            "warm-exhaust-heat",
            "danger",
            Method("warmth.distances"),
        ),
        (
            "warm-exhaust-length",
            "fault",
            Method("warmth.distances") + OwnChoice("typical"),
        ),
        (
            "warm-fuel-joint",
            "danger",
            Method("warmth.distances") + OwnChoice("typical"),
        ),
        (
            "warm-fuel-pump",
            "advice",
            Method("warmth.distances") + OwnChoice("typical"),
        ),
        ("warm-heater-access", "advice", Method("warmth.distances") + OwnChoice("typical")),
        (
            "warm-heater-purge",
            "fault",
            Method("warmth.heaters") + OwnChoice("typical"),
        ),
        ("warm-fuel-days", "advice", Method("warmth.heaters")),
        (
            "warm-heater-energy",
            "advice",
            Method("warmth.heaters") + OwnChoice("typical"),
        ),
        (
            "warm-wood-clearance",
            "danger",
            Method("warmth.distances"),
        ),
        ("warm-duct-shortfall", "fault", Method("warmth.ducts")),
        ("warm-duct-assignment", "advice", Method("warmth.ducts")),
        ("warm-duct-loss", "advice", Method("warmth.ducts")),
        (
            "warm-duct-long",
            "advice",
            Method("warmth.ducts") + OwnChoice("typical"),
        ),
        ("warm-duct-closable", "fault", Method("warmth.ducts") + OwnChoice("typical")),
        (
            "warm-duct-hot",
            "fault",
            Method("warmth.ducts") + OwnChoice("typical"),
        ),
        ("warm-return-small", "fault", Method("warmth.ducts")),
        ("warm-return-source", "danger", Method("warmth.ducts") + OwnChoice("typical")),
        ("warm-grille-fabric", "danger", Method("warmth.distances")),
        (
            "warm-frost-bay",
            "fault",
            Method("warmth.heat-loss"),
        ),
        ("warm-loop-pump", "fault", Method("warmth.coolant")),
        (
            "warm-loop-velocity",
            "advice",
            Method("warmth.coolant") + OwnChoice("typical"),
        ),
        (
            "warm-loop-air",
            "advice",
            Method("warmth.coolant") + OwnChoice("typical"),
        ),
        ("warm-loop-expansion", "fault", Method("warmth.coolant")),
        ("warm-glycol-frost", "fault", Method("warmth.cooling")),
        (
            "warm-glycol-potable",
            "danger",
            Method("warmth.coolant") + Standard("EN 1717"),
        ),
        ("warm-dhw-cold", "advice", Method("warmth.coolant")),
        ("warm-dhw-scald", "danger", Method("warmth.coolant") + OwnChoice("typical")),
        ("warm-floor-hot", "fault", Method("warmth.coolant") + Standard("EN 1264")),
        ("warm-ac-undersized", "fault", Method("warmth.cooling")),
        (
            "warm-ac-oversized",
            "advice",
            Method("warmth.cooling") + OwnChoice("typical"),
        ),
        (
            "warm-ac-hours",
            "advice",
            Method("warmth.cooling"),
        ),
        (
            "warm-ac-surge",
            "fault",
            Method("warmth.cooling"),
        ),
        ("warm-ac-hose", "note", Method("warmth.cooling")),
        (
            "warm-heat-danger",
            "danger",
            Method("warmth.cooling") + OwnChoice("typical"),
        ),
        ("warm-roof-dark", "advice", Method("warmth.cooling")),
        ("warm-cabinet-hot", "fault", Method("warmth.cabinets")),
        (
            "warm-fridge-vent",
            "fault",
            Method("warmth.cabinets") + OwnChoice("typical"),
        ),
        ("warm-drying-slow", "advice", Method("warmth.moisture")),
        (
            "warm-opening-nowhere",
            "fault",
            Method("warmth.shell", "geometry"),
        ),
        ("warm-opening-large", "fault", Method("warmth.shell")),
    ),
)

Found = Iterator[Finding]
