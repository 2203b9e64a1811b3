"""Fiddlehead: a twin-axle box trailer becoming a travelling instrument-repair bench, on shore power most nights.

United States: AWG, 120 V, a 30 A inlet, a small roof air conditioner and dust extraction. Two honest mistakes for the findings to
find: the air conditioner and the dust extractor share one breaker, and the inverter's neutral stays bonded on shore power.
"""

from __future__ import annotations

from functools import cache
from typing import Any

from bothy.core.catalogue.parts import part
from bothy.core.design.document import Design, load_design
from bothy.core.facts.document import Facts
from bothy.core.proposing import accept
from bothy.demo import lpg, wet
from bothy.demo.laid_out import book_of, building_of, places_of, proof_of
from bothy.demo.parts import from_catalogue, windows
from bothy.demo.warm import FIDDLEHEAD

NAME = "Fiddlehead"
VARIANT = "as planned"


def _mains(id: str, name: str, watts: float, **more: Any) -> dict[str, Any]:
    return {"id": id, "name": name, "kind": "tool", "zone": "living", "supply": "ac", "power_w": watts, "trust": "label", "by": "typed", **more}


APPLIANCES: list[dict[str, Any]] = [
    from_catalogue("fridge-50", "fridge", name="Chest fridge 50 L", trust="label"),
    from_catalogue("light-strip", "bench-strips", name="Light strips over the bench", count=4, windows=windows((8, 12), (13, 19))),
    from_catalogue("light-spot", "spots", name="Spots, setting-up corner", count=6, windows=windows((8, 12), (13, 19))),
    from_catalogue("light-reading", "reading", name="Reading light", windows=windows((21, 22))),
    from_catalogue("light-outside", "awning-light", name="Awning light", windows=windows((19, 21))),
    from_catalogue("roof-fan", "roof-fan", name="Roof fan", hours_per_day=5, windows=windows((10, 15))),
    from_catalogue("pump-10", "pump", name="Water pump"),
    from_catalogue("usb-double", "usb-bench", name="Charging sockets, bench", count=2),
    from_catalogue("socket-12v", "socket-bench", name="12 V socket, bench"),
    from_catalogue("router", "router", name="Mobile router"),
    from_catalogue("radio", "radio", name="Radio", hours_per_day=8, windows=windows((8, 12), (13, 17))),
    from_catalogue("co-alarm", "co-alarm", name="Carbon monoxide alarm"),
    from_catalogue("gas-alarm", "gas-alarm", name="Gas alarm"),
    from_catalogue("battery-monitor", "monitor", name="Shunt monitor"),
    from_catalogue(
        "dust-extractor",
        "extractor",
        name="Dust extractor, on hook-up only",
        power_w=1000.0,
        start_multiple=1.5,
        season_factors={"winter": 0.0, "shoulder": 0.0, "summer": 0.0},
    ),
    _mains(
        "roof-ac",
        "Roof air conditioner, soft start, on hook-up only",
        950.0,
        kind="cooling",
        zone="roof",
        hours_per_day=4.0,
        start_multiple=1.3,
        windows=windows((12, 17)),
        season_factors={"winter": 0.0, "shoulder": 0.0, "summer": 0.0},
    ),
    _mains("side-bender", "Side bending iron", 150.0, hours_per_day=0.5, windows=windows((9, 11))),
    _mains("glue-pot", "Glue pot", 120.0, hours_per_day=1.0, windows=windows((9, 12))),
    _mains("task-lamp", "Magnifier lamp", 18.0, kind="light", hours_per_day=5.0, windows=windows((9, 12), (14, 16))),
    from_catalogue("tool-charger", "tool-charger", name="Tool battery charger"),
    from_catalogue("laptop-mains", "laptop", name="Laptop, strobe tuner"),
]


def _base() -> dict[str, Any]:
    return {
        "schema_version": 1,
        "region": "us",
        "vehicle": {
            "preset": "trailer",
            "description": "Twin-axle box trailer, bench along the street side, ramp door at the rear.",
            "inside_length_m": 4.9,
            "inside_width_m": 2.13,
            "inside_height_m": 2.06,
            "payload_kg": 1100.0,
            "bank_place": "warm_inside",
        },
        "life": {
            "people": 1,
            "nights_between_hookups": 0.0,
            "from_month": 4,
            "to_month": 10,
            "place": "denver",
            "drive_h_per_day": 1.0,
            "appliances": APPLIANCES,
        },
        "power": {
            "system_voltage_v": 12,
            "bank": {
                "name": "House bank, 2 × 200 Ah",
                "chemistry": "lifepo4",
                "unit_voltage_v": 12.8,
                "unit_charge_ah": 200.0,
                "parallel_count": 2,
                "unit_max_discharge_a": 150.0,
                "unit_max_charge_a": 100.0,
                "unit_mass_kg": 21.2,
                "wiring": "diagonal",
                "cold_charge_cutoff": True,
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
                    **part("panel-175").data,
                    "id": "roof",
                    "name": "2 × rigid panel 175 W",
                    "part": "panel-175",
                    "series_count": 2,
                    "parallel_count": 1,
                    "unit_mass_kg": 10.2,
                    "disconnect": True,
                    "by": "typed",
                }
            ],
            "controller": {
                "name": "MPPT 100 V 50 A",
                "part": "mppt-100-50",
                "controller_type": "mppt",
                "max_voltage_v": 100.0,
                "max_charge_current_a": 50.0,
                "max_input_current_a": 60.0,
                "mass_kg": 1.5,
                "by": "typed",
            },
        },
    }


@cache
def design() -> Design:
    """Fiddlehead's design: typed supply, Bothy's circuits in AWG with measured lengths, then the two mistakes."""
    planned, _ = accept(load_design(_base()), groups=["shore", "circuits"])
    data = planned.model_dump(mode="json")
    for n, c in enumerate(data["wiring"]["circuits"]):
        c["length_m"] = c["length_m"] or {"main": 0.4, "inverter": 0.9, "feeder": 1.1, "solar": 2.6, "shore": 1.4}.get(c["kind"], 2.2 + 0.4 * (n % 7))
    planned, _ = accept(load_design(data), groups=["circuits", "panel", "lighting"])
    data = planned.model_dump(mode="json")
    extractor = next(c for c in data["wiring"]["circuits"] if "extractor" in c["appliances"])
    cooler = next(c for c in data["wiring"]["circuits"] if "roof-ac" in c["appliances"])
    extractor["appliances"].append("roof-ac")
    data["wiring"]["circuits"].remove(cooler)
    for c in data["wiring"]["circuits"]:
        c["by"] = "typed"
    data["warmth"] = FIDDLEHEAD
    data["water"] = wet.FIDDLEHEAD
    data["gas"] = lpg.FIDDLEHEAD
    data["wiring"]["others"].append({"id": "gb", "kind": "gas_bond", "name": "Bond of the gas pipe", "awg": "10", "length_m": 1.5})
    data["trips"] = {
        "start_date": "2026-06-01",
        "legs": [
            {"id": "denver", "place": "denver", "days_count": 3, "shore": True, "day_type": "working"},
            {"id": "moab", "place": "moab", "days_count": 3, "drive_h": 6.0, "day_type": "working", "refills": ["water", "grey_dump"]},
            {
                "id": "albuquerque",
                "place": "albuquerque",
                "days_count": 4,
                "drive_h": 6.0,
                "shore": True,
                "day_type": "working",
                "refills": ["water", "grey_dump", "toilet_dump"],
            },
        ],
    }
    data["wiring"]["mains"] |= {"bond": "permanent", "keep": ["roof-ac"], "shedding": "hand", "surge": True}
    data["wiring"]["isolator_a"] = 300.0
    next(c for c in data["wiring"]["circuits"] if c["kind"] == "main")["fuse_distance_m"] = 0.12
    data["wiring"]["panel"] |= {"door_distance_m": 0.4, "floor_height_m": 1.25}
    data["wiring"]["raceways"] = [
        {
            "id": "street-side",
            "name": "Street side trunking, low voltage",
            "kind": "trunking",
            "width_mm": 50.0,
            "height_mm": 30.0,
            "length_m": 4.2,
            "by": "typed",
        }
    ]
    for c in data["wiring"]["circuits"]:
        if c["id"] in ("lights-living-and-cab", "fans", "alarms-and-monitor"):
            c["raceways"] = ["street-side"]
    data["fit"] = places_of("fiddlehead")
    data["build"] = building_of("fiddlehead")[0]
    data["handover"] = book_of("fiddlehead")[0]
    return load_design(data)


@cache
def facts() -> Facts:
    """The dealer's test of the gas, the log of the build, the proof, and the book: all but the electrician's certificate."""
    return Facts.model_validate({**lpg.FIDDLEHEAD_FACTS, **building_of("fiddlehead")[1], **proof_of("fiddlehead"), **book_of("fiddlehead")[1]})
