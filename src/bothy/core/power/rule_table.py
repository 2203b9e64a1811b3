"""The rules of power: id, severity, title, what to do, source (method power.balance)."""

from __future__ import annotations

from bothy.core.finding import rules
from bothy.core.method.sources import Maker, Method, Standard

rules(
    "power",
    (
        (
            "power-load-saturated",
            "fault",
            Method("power.load-budget", "energy balance"),
        ),
        (
            "power-inverter-hours-short",
            "fault",
            Method("power.load-budget"),
        ),
        (
            "power-inverter-idle-heavy",
            "advice",
            Method("power.load-budget"),
        ),
        (
            "power-inverter-breaker-small",
            "fault",
            Method("power.inverter-current", "P = U·I"),
        ),
        (
            "power-inverter-breaker-tight",
            "advice",
            Method("power.inverter-current") + Standard("UL 489 80 %"),
        ),
        (
            "power-inverter-fuse-small",
            "fault",
            Method("power.inverter-current", "P = U·I"),
        ),
        (
            "power-inverter-fuse-tight",
            "advice",
            Method("power.inverter-current") + Standard("UL 489 80 %"),
        ),
        (
            "power-system-voltage-low",
            "advice",
            Method("power.inverter-current", "joint heating I²R"),
        ),
        (
            "power-inverter-none-fits",
            "fault",
            Method("power.inverter-size"),
        ),
        (
            "power-inverter-oversized",
            "advice",
            Method("power.inverter-size"),
        ),
        (
            "power-inverter-small",
            "fault",
            Method("power.inverter-size"),
        ),
        (
            "power-inverter-hot",
            "advice",
            Method("power.inverter-size", "derating"),
        ),
        (
            "power-modified-sine",
            "fault",
            Method("power.inverter-size", "motor heating by harmonics"),
        ),
        (
            "power-bank-units-mixed",
            "danger",
            Method("power.bank-units"),
        ),
        (
            "power-bank-age-mixed",
            "advice",
            Method("power.bank-units"),
        ),
        (
            "power-bank-series-limit",
            "danger",
            Method("power.bank-units", "protection's blocking voltage"),
        ),
        ("power-bank-parallel-many", "advice", Method("power.bank-units")),
        (
            "power-bank-same-end",
            "advice",
            Method("power.bank-units", "Kirchhoff"),
        ),
        (
            "power-bank-sharing",
            "advice",
            Method("power.bank-units", "Kirchhoff"),
        ),
        (
            "power-bank-discharge-limit",
            "fault",
            Method("power.bank-units") + Maker(),
        ),
        (
            "power-bank-voltage-mismatch",
            "fault",
            Method("power.bank-units"),
        ),
        (
            "power-charge-below-freezing",
            "danger",
            Method("power.cold") + Standard("IEC 62619") + Maker(),
        ),
        ("power-charge-temperature", "fault", Method("power.cold")),
        ("power-charge-no-surplus", "fault", Method("power.shore-charge")),
        (
            "power-charger-over-bank",
            "fault",
            Method("power.shore-charge") + Maker(),
        ),
        ("power-charger-small", "advice", Method("power.shore-charge", "sulphation")),
        (
            "power-shore-overload",
            "danger",
            Method("power.shore-charge", "heating of the inlet"),
        ),
        (
            "power-lead-never-full",
            "advice",
            Method("power.chemistries", "sulphation"),
        ),
        (
            "power-solar-voc-over",
            "danger",
            Method("power.strings") + Standard("NFPA 70", "690.7") + Standard("IEC 62548"),
        ),
        (
            "power-solar-voc-tight",
            "advice",
            Method("power.strings") + Standard("IEC 62548"),
        ),
        (
            "power-solar-vmp-low",
            "fault",
            Method("power.strings"),
        ),
        ("power-solar-start-low", "advice", Method("power.strings") + Maker()),
        (
            "power-solar-isc-over",
            "fault",
            Method("power.strings") + Maker(),
        ),
        (
            "power-solar-isc-tight",
            "advice",
            Method("power.strings") + Standard("NFPA 70", "690.8"),
        ),
        ("power-solar-overpanel", "advice", Method("power.strings")),
        (
            "power-solar-overpanel-forbidden",
            "fault",
            Method("power.strings") + Maker(),
        ),
        ("power-solar-mismatch", "advice", Method("power.strings")),
        ("power-solar-pwm-loss", "advice", Method("power.mppt-or-pwm")),
        (
            "power-solar-string-fuse",
            "danger",
            Method("power.strings") + Standard("IEC 62548"),
        ),
        (
            "power-solar-string-fuse-none",
            "fault",
            Method("power.strings") + Standard("IEC 62548"),
        ),
        (
            "power-panel-data-inconsistent",
            "note",
            Method("power.panel-temperature"),
        ),
        (
            "power-solar-disconnect",
            "fault",
            Method("power.strings") + Standard("IEC 62548"),
        ),
        ("power-panel-glued-hot", "note", Method("power.panel-temperature")),
        ("power-solar-no-controller", "fault", Method("power.strings")),
        (
            "power-lithium-direct-alternator",
            "danger",
            Method("power.driving-charge", "thermal limit of the alternator"),
        ),
        ("power-relay-overload", "fault", Method("power.driving-charge")),
        (
            "power-relay-smart-alternator",
            "fault",
            Method("power.driving-charge"),
        ),
        (
            "power-alternator-no-room",
            "fault",
            Method("power.driving-charge"),
        ),
        (
            "power-second-alternator",
            "advice",
            Method("power.driving-charge"),
        ),
        (
            "power-alternator-idle",
            "advice",
            Method("power.driving-charge"),
        ),
        ("power-dcdc-input-drop", "advice", Method("wiring.cable-choice")),
        ("power-balance-negative", "fault", Method("power.balance")),
        ("power-bank-floor", "fault", Method("power.bank-size")),
    ),
)
