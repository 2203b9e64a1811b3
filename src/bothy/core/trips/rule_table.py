"""The rules of the trip: severity and sources (method trips.run); what they say stands in core/words/rules."""

from __future__ import annotations

from collections.abc import Callable

from bothy.core.finding import rules
from bothy.core.method.sources import Method, OwnChoice, Standard

rules(
    "trips",
    (
        ("sim-first-shortage", "fault", Method("trips.results")),
        ("sim-lolp-high", "fault", Method("trips.results")),
        ("sim-medical-load", "danger", Method("trips.results") + OwnChoice("prudence")),
        ("sim-empty-normals", "fault", Method("trips.run")),
        ("sim-autonomy-short", "advice", Method("trips.results") + OwnChoice("practice")),
        ("sim-solar-small", "advice", Method("trips.results")),
        ("sim-tilt-winter", "advice", Method("trips.compare") + Method("trips.month")),
        ("sim-curve-mismatch", "advice", Method("trips.direction")),
        ("sim-shade-string", "advice", Method("trips.shade")),
        ("sim-lead-partial", "advice", Method("trips.run") + OwnChoice("lead practice")),
        ("sim-heater-short", "fault", Method("trips.run")),
        ("sim-freeze", "fault", Method("trips.results")),
        ("sim-fuel-empty", "fault", Method("trips.run")),
        ("sim-gas-empty", "fault", Method("trips.run")),
        ("sim-water-short", "fault", Method("trips.run")),
        ("sim-grey-full", "fault", Method("trips.run")),
        ("sim-toilet-full", "fault", Method("trips.run")),
        ("sim-too-hot", "fault", Method("warmth.cooling") + OwnChoice("typical")),
        ("sim-damp", "advice", Method("warmth.moisture")),
        ("sim-discharge-limit", "fault", Method("trips.battery-step")),
        ("sim-bank-cycles", "note", Method("power.chemistries")),
        ("sim-inverter-idle", "advice", Method("power.through-inverter")),
        ("sim-snow", "note", Method("trips.shade")),
        ("sim-cell-hot", "note", Method("trips.panel-power")),
        ("sim-controller-clip", "note", Method("trips.panel-power")),
        ("sim-load-assumed", "note", Method("power.balance")),
        ("sim-low-reserve", "advice", Method("trips.results")),
        ("sim-curtailed", "note", Method("trips.results")),
        ("sim-charge-refused-cold", "danger", Method("trips.run") + Standard("IEC 62619")),
        ("sim-charge-refused-hot", "advice", Method("power.cold")),
        ("sim-inverter-overload", "fault", Method("trips.run")),
        ("sim-shore-limit", "fault", Method("trips.run")),
        ("sim-generator-missing", "fault", Method("trips.itinerary")),
        ("sim-generator", "note", Method("trips.results")),
        ("sim-alternator-only", "advice", Method("trips.results")),
        ("sim-draws-few", "note", Method("trips.results")),
        ("sim-weather-approx", "note", Method("trips.climate")),
        ("sim-climate-far", "advice", Method("trips.weather-files")),
        ("sim-balance", "fault", Method("trips.run")),
    ),
)

Add = Callable[..., None]
"""Takes a rule's id, its message, and where they differ severity and subject."""
