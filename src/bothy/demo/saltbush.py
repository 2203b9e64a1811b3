"""Saltbush: a 24 V bus for a crew of four who collect native seed in the dry interior: heat, long distances, a large cold store, much water.

Australia: 24 V, 230 V mains, a bus without a smart alternator. The honest mistake is in the summer: the cold store and the fans take more
than the panels give once a dust front stands for days, so that the trip in January runs short; the search finds what would do. The roof cooler was
bought late and is in no line of Daily use.
"""

from __future__ import annotations

from functools import cache
from typing import Any

from bothy.core.catalogue.parts import part
from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.facts.document import Facts
from bothy.core.fit.signals import usual_signals
from bothy.core.proposing import accept
from bothy.demo import lpg, wet
from bothy.demo.laid_out import building_of, places_of, proof_of
from bothy.demo.parts import from_catalogue, windows
from bothy.demo.warm import SALTBUSH

NAME = "Saltbush"
VARIANT = "as planned"

APPLIANCES: list[dict[str, Any]] = [
    from_catalogue("freezer-40", "seed-freezer", name="Seed store freezer 40 L", count=2),
    from_catalogue("fridge-130", "galley-fridge", name="Galley fridge 130 L"),
    from_catalogue("fridge-50", "drinks", name="Drinks fridge 50 L"),
    from_catalogue("roof-fan", "fans", name="Roof fan", count=3, hours_per_day=14, windows=windows((0, 3), (9, 20))),
    from_catalogue("drying-fan", "seed-drying", name="Seed drying fan", count=2, windows=windows((7, 19))),
    from_catalogue("light-strip", "strips", name="Light strips, sorting table", count=3, windows=windows((5, 7), (18, 21))),
    from_catalogue("light-reading", "bunks", name="Bunk light", count=4, windows=windows((20, 22))),
    from_catalogue("light-outside", "awning", name="Awning light", count=2, windows=windows((18, 21))),
    from_catalogue("pump-17", "pump", name="Water pump"),
    from_catalogue("usb-double", "usb", name="Charging sockets", count=4),
    from_catalogue("phone", "phones", name="Phones", count=4),
    from_catalogue("laptop-dc", "laptops", name="Field laptop", count=2),
    from_catalogue("sat-terminal", "satellite", name="Satellite terminal", windows=windows((5, 7), (18, 21))),
    from_catalogue("co-alarm", "co-alarm", name="Carbon monoxide alarm"),
    from_catalogue("gas-alarm", "gas-alarm", name="Gas alarm"),
    from_catalogue("battery-monitor", "monitor", name="Shunt monitor"),
    from_catalogue("microwave", "microwave", name="Microwave", uses_per_day=2),
    from_catalogue("coffee", "coffee", name="Coffee maker", power_w=1300.0),
]
TRIP: dict[str, Any] = {
    "start_date": "2027-01-10",
    "short_days_frac": 0.05,
    "places": [
        {"id": "salt_lake_camp", "name": "Camp by the salt lake", "lat_deg": -25.9, "lon_deg": 135.2, "elevation_m": 180.0},
        {"id": "mulga_camp", "name": "Camp in the mulga", "lat_deg": -22.4, "lon_deg": 131.8, "elevation_m": 590.0},
    ],
    "legs": [
        {"id": "adelaide", "place": "adelaide", "days_count": 1, "shore": True},
        {"id": "salt-lake", "place": "salt_lake_camp", "days_count": 9, "drive_h": 9.0, "drive_start_h": 6.0, "day_type": "working", "refills": ["water"]},
        {"id": "alice", "place": "alice_springs", "days_count": 2, "drive_h": 6.0, "shore": True, "refills": ["water", "grey_dump", "toilet_dump"]},
        {
            "id": "mulga",
            "place": "mulga_camp",
            "days_count": 12,
            "drive_h": 6.0,
            "drive_start_h": 6.0,
            "day_type": "working",
            "refills": ["water", "toilet_dump"],
        },
        {"id": "alice-2", "place": "alice_springs", "days_count": 2, "drive_h": 6.0, "refills": ["water", "grey_dump", "toilet_dump"]},
    ],
}
"""Four weeks in the heat, seed ripening."""


def _base() -> dict[str, Any]:
    return {
        "schema_version": 1,
        "region": "au",
        "vehicle": {
            "preset": "bus",
            "description": "School bus, seats out; cold store behind the rear axle, bunks over it.",
            "inside_length_m": 8.6,
            "inside_width_m": 2.3,
            "inside_height_m": 1.95,
            "payload_kg": 3200.0,
            "bank_place": "garage",
            "vehicle_voltage_v": 24,
        },
        "life": {
            "people": 4,
            "nights_between_hookups": 9.0,
            "from_month": 10,
            "to_month": 3,
            "place": "alice_springs",
            "drive_h_per_day": 1.0,
            "appliances": [{**a, "voltage_v": 24.0} if a["supply"] == "dc" else a for a in APPLIANCES],
        },
        "power": {
            "system_voltage_v": 24,
            "bank": {
                **part("lfp-24-200").data,
                "name": "House bank, 2 × 25.6 V 200 Ah",
                "part": "lfp-24-200",
                "parallel_count": 2,
                "unit_mass_kg": 43.0,
                "by": "typed",
            },
            "inverter": {
                "name": "Inverter 2000 W",
                "part": "inv-2000",
                "rating_w": 2000.0,
                "surge_power_w": 4000.0,
                "idle_w": 16.0,
                "pure_sine": True,
                "mode": "with_load",
                "mass_kg": 8.9,
                "by": "typed",
            },
            "arrays": [
                {
                    **part("panel-250").data,
                    "id": "roof",
                    "name": "8 × rigid panel 250 W",
                    "part": "panel-250",
                    "series_count": 2,
                    "parallel_count": 4,
                    "unit_mass_kg": 13.6,
                    "disconnect": True,
                    "by": "typed",
                }
            ],
            "controller": {
                **part("mppt-150-60").data,
                "name": "MPPT 150 V 60 A",
                "part": "mppt-150-60",
                "max_input_current_a": 50.0,
                "mass_kg": 3.0,
                "by": "typed",
            },
        },
        "sizing": {"goal": "cost", "panels_most": 10, "chemistries": ["lifepo4", "agm"]},
        "trips": TRIP,
        "warmth": SALTBUSH,
        "water": wet.SALTBUSH,
        "gas": lpg.SALTBUSH,
    }


@cache
def design() -> Design:
    """Saltbush's design: typed supply, Bothy's driving and hook-up charge and circuits with measured lengths."""
    planned, _ = accept(load_design(_base()), groups=["driving", "shore", "circuits"])
    data = planned.model_dump(mode="json")
    for n, c in enumerate(data["wiring"]["circuits"]):
        c["length_m"] = c["length_m"] or {"main": 0.5, "inverter": 1.2, "feeder": 1.6, "solar": 4.5, "shore": 2.0}.get(c["kind"], 3.0 + 0.5 * (n % 9))
    planned, _ = accept(load_design(data), groups=["circuits", "panel", "lighting"])
    data = planned.model_dump(mode="json")
    data["wiring"]["isolator_a"] = 350.0
    for c in data["wiring"]["circuits"]:
        if c["kind"] == "main":
            c["fuse_distance_m"] = 0.15
    data["fit"] = places_of("saltbush")
    data["build"] = building_of("saltbush")[0]
    made = load_design(data)
    signals = [{"id": f"signal-{n}", **u._asdict(), "by": "proposal"} for n, u in enumerate(usual_signals(made), 1)]
    return apply_patch(made, [{"op": "replace", "path": "/fit/signals", "value": signals}])


@cache
def facts() -> Facts:
    """Saltbush is planned; what is in already was looked at, and half of its loops measured."""
    return Facts.model_validate(proof_of("saltbush"))
