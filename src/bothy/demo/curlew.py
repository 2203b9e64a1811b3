"""Curlew: a retired mobile library becoming a field base for a two-person shorebird survey on the coast, October to March.

Half built, with readings, and three honest mistakes for the findings to find: an inverter breaker far below the
inverter's DC current, a long thin cable to the fridge, and a lithium bank under the floor with no charge cut-off.
"""

from __future__ import annotations

from functools import cache
from typing import Any

from bothy.core.catalogue.parts import part
from bothy.core.design.document import Design, load_design
from bothy.core.facts.document import Facts
from bothy.core.proposing import accept
from bothy.demo import lpg, wet
from bothy.demo.laid_out import building_of, places_of, proof_of
from bothy.demo.parts import from_catalogue as _from
from bothy.demo.parts import windows as _win
from bothy.demo.warm import CURLEW

NAME = "Curlew"
VARIANT = "as planned"


APPLIANCES: list[dict[str, Any]] = [
    _from("fridge-90", "fridge", name="Front fridge 90 L", trust="label"),
    _from("light-spot", "spots-kitchen", name="Spots over the kitchen", count=4, zone="kitchen", windows=_win((7, 9), (16, 22))),
    _from("light-strip", "strip-living", name="Light strips, table", count=3, zone="living", windows=_win((7, 9), (16, 23))),
    _from("light-reading", "reading", name="Reading lights", count=2, windows=_win((21, 23))),
    _from("light-outside", "awning-light", name="Awning light", windows=_win((17, 19))),
    _from("light-night", "night-light", name="Night light", windows=_win((22, 8))),
    _from("diesel-air", "heater", name="Diesel air heater 2 kW", trust="measured", hours_per_day=9, windows=_win((6, 9), (17, 23))),
    _from("drying-fan", "drying-fan", name="Drying cupboard fan", hours_per_day=8, windows=_win((18, 2))),
    _from("pump-10", "pump", name="Water pump 10 L/min", windows=_win((7, 9), (18, 21))),
    _from("roof-fan", "roof-fan", name="Roof fan", hours_per_day=4, windows=_win((12, 14), (18, 20))),
    _from("toilet-fan", "toilet-fan", name="Toilet vent fan"),
    _from("router", "router", name="Mobile router", trust="label"),
    _from("instrument-charger", "docks", name="Instrument charging docks", count=2, charges_per_day=1, windows=_win((16, 20))),
    _from(
        "laptop-dc",
        "laptops",
        name="Survey laptops",
        count=2,
        trust="measured",
        power_w=38,
        hours_per_day=4,
        windows=_win((9, 11), (17, 21)),
        day_factors={"parked": 1, "driving": 0.5, "working": 1.5},
    ),
    _from("phone", "phones", name="Telephones", count=2, windows=_win((20, 23))),
    _from("usb-double", "usb-sockets", name="Charging sockets, bunks", count=2, zone="bed", windows=_win((20, 23))),
    _from("radio", "receiver", name="Marine-band receiver", windows=_win((6, 12)), min_voltage_v=10.5),
    _from("gas-alarm", "gas-alarm", name="Gas alarm"),
    _from("co-alarm", "co-alarm", name="Carbon monoxide alarm"),
    _from("battery-monitor", "monitor", name="Shunt monitor"),
    _from("kettle-travel", "kettle", name="Travel kettle", trust="label", uses_per_day=3, windows=_win((7, 8), (13, 14), (18, 19))),
    _from("tool-charger", "scope-charger", name="Telescope and drone charger", charges_per_day=1, windows=_win((18, 21))),
    _from("grey-pump", "grey-pump", name="Grey tank pump"),
    _from("pump-17", "rain-pump", name="Rain water transfer pump", zone="garage", uses_per_day=1),
    _from("scope-heater", "dew-heater", name="Telescope dew heater", kind="heating", hours_per_day=1.0, windows=_win((5, 6))),
    _from("socket-12v", "cab-socket", name="12 V socket, cab", zone="cab", hours_per_day=0.3, windows=_win((9, 10))),
    _from("socket-12v", "rear-socket", name="12 V socket, rear doors", zone="garage", hours_per_day=0.3, windows=_win((8, 9))),
    _from("usb-double", "galley-socket", name="Charging socket, galley", zone="kitchen", hours_per_day=0.5, windows=_win((18, 19))),
    _from("camera-rear", "camera", name="Reversing camera and screen", day_factors={"parked": 0, "driving": 1, "working": 0}),
    _from("tablet", "tablets", name="Field tablets", count=2, zone="garage", windows=_win((19, 22))),
    _from("monitor-27", "screen", name="Survey screen", hours_per_day=3, windows=_win((18, 21))),
]

LENGTHS_M: dict[str, float] = {
    "main": 0.6,
    "inverter-feed": 1.2,
    "board-feed": 1.4,
    "solar-charge": 2.2,
    "driving-charge": 1.3,
    "shore-charge": 1.8,
    "from-the-starter-battery": 6.4,
    "front-fridge-90-l": 7.5,
    "lights-kitchen": 4.6,
    "lights-living-and-cab": 5.8,
    "lights-bed-and-washroom": 3.4,
    "lights-rear-and-outside": 2.6,
    "diesel-air-heater-2-kw": 2.8,
    "water-pump-10-l-min": 4.4,
    "fans": 4.9,
    "electronics-living-and-cab": 5.2,
    "electronics-rear-and-outside": 2.1,
    "survey-laptops": 5.6,
    "sockets-bed-and-washroom": 3.6,
    "alarms-and-monitor": 3.2,
    "travel-kettle": 4.8,
    "mains-sockets": 6.2,
}


def _base() -> dict[str, Any]:
    return {
        "schema_version": 1,
        "region": "uk",
        "vehicle": {
            "preset": "long_high_van",
            "description": "Retired mobile library, long and high; shelves out, skylights kept.",
            "inside_length_m": 4.4,
            "inside_width_m": 1.78,
            "inside_height_m": 2.05,
            "payload_kg": 1180.0,
            "bank_place": "underfloor",
            "vehicle_voltage_v": 12,
            "alternator_rated_a": 180.0,
            "smart_alternator": True,
        },
        "life": {
            "people": 2,
            "nights_between_hookups": 2.0,
            "from_month": 10,
            "to_month": 3,
            "place": "inverness",
            "drive_h_per_day": 1.5,
            "appliances": APPLIANCES,
        },
        "power": {
            "system_voltage_v": 12,
            "bank": {
                "name": "House bank, 3 × 200 Ah",
                "part": "lfp-200-plain",
                "chemistry": "lifepo4",
                "unit_voltage_v": 12.8,
                "unit_charge_ah": 200.0,
                "parallel_count": 3,
                "unit_max_discharge_a": 150.0,
                "unit_max_charge_a": 100.0,
                "unit_mass_kg": 21.2,
                "wiring": "diagonal",
                "cold_charge_cutoff": False,
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
                    "name": "4 × rigid panel 175 W",
                    "part": "panel-175",
                    "series_count": 2,
                    "parallel_count": 2,
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


REAR = (
    "lights-rear-and-outside",
    "diesel-air-heater-2-kw",
    "sockets-rear-and-outside",
    "electronics-rear-and-outside",
    "instrument-charging-docks",
    "rain-water-transfer-pump",
    "telescope-dew-heater",
    "grey-tank-pump",
)
"""Circuits that lie more than 3 m from the house board: they hang on a board of their own at the rear doors."""
REAR_BOARD = {
    "id": "rear",
    "name": "Rear board",
    "letter": "B",
    "way_count": 12,
    "way_rating_a": 30.0,
    "total_rating_a": 80.0,
    "fed_from": "house",
    "by": "typed",
}
REAR_FEED = {
    "id": "rear-board-feed",
    "name": "Rear board feed",
    "kind": "feeder",
    "board": "rear",
    "installation": "conduit",
    "length_m": 3.8,
    "by": "proposal",
}


TRIP: dict[str, Any] = {
    "start_date": "2026-10-12",
    "legs": [
        {"id": "inverness", "place": "inverness", "days_count": 4, "day_type": "working"},
        {"id": "edinburgh", "place": "edinburgh", "days_count": 3, "drive_h": 3.5, "day_type": "working", "refills": ["water", "grey_dump", "toilet_dump"]},
        {"id": "manchester", "place": "manchester", "days_count": 2, "drive_h": 4.5, "shore": True, "refills": ["water", "grey_dump", "toilet_dump"]},
        {"id": "cardiff", "place": "cardiff", "days_count": 4, "drive_h": 4.0, "day_type": "working", "refills": ["water", "grey_dump", "toilet_dump"]},
        {
            "id": "penzance",
            "place": "penzance",
            "days_count": 5,
            "drive_h": 4.5,
            "day_type": "working",
            "refills": ["water", "grey_dump", "toilet_dump"],
            "note": "Winter roost counts; no hook-up near the estuary.",
        },
    ],
}
"""The autumn survey, down the coast."""
RACEWAYS: list[dict[str, Any]] = [
    {
        "id": "left-trunking",
        "name": "Left wall trunking, low voltage",
        "kind": "trunking",
        "width_mm": 60.0,
        "height_mm": 40.0,
        "length_m": 3.6,
        "by": "typed",
        "metal_holes_count": 4,
        "grommets_count": 4,
        "signals": [{"kind": "display", "gap_mm": 60.0}, {"kind": "sensor", "count": 2, "gap_mm": 60.0}],
    },
    {
        "id": "right-pipe",
        "name": "Right wall pipe, galley",
        "kind": "conduit",
        "inner_diameter_mm": 29.0,
        "length_m": 2.8,
        "metal_holes_count": 2,
        "grommets_count": 2,
        "by": "typed",
    },
    {
        "id": "rear-pipe",
        "name": "Pipe to the rear doors",
        "kind": "conduit",
        "inner_diameter_mm": 26.0,
        "length_m": 2.2,
        "metal_holes_count": 1,
        "grommets_count": 1,
        "by": "typed",
    },
    {
        "id": "mains-pipe",
        "name": "Mains pipe, by itself",
        "kind": "conduit",
        "inner_diameter_mm": 26.0,
        "length_m": 3.1,
        "clip_spacing_mm": 250.0,
        "by": "typed",
    },
]
IN_RACEWAYS: dict[str, list[str]] = {
    "left-trunking": ["lights-living-and-cab", "fans", "electronics-living-and-cab", "alarms-and-monitor", "sockets-bed-and-washroom"],
    "right-pipe": ["lights-kitchen", "water-pump-10-l-min", "sockets-kitchen"],
    "rear-pipe": ["lights-rear-and-outside", "telescope-dew-heater"],
    "mains-pipe": ["travel-kettle", "mains-sockets"],
}
SWITCHED: dict[str, dict[str, Any]] = {
    "zone-living": {"lamp_wire_m": 1.4, "wires": [0.9, 2.6]},
    "zone-kitchen": {"lamp_wire_m": 2.7, "wires": [0.9]},
}
"""Measured ways over the switches of the zones."""


def _made(wiring: dict[str, Any]) -> None:
    """What is built already: raceways, the way over the switches, the panel beside the door."""
    wiring["raceways"] = RACEWAYS
    where = {c: r for r, ids in IN_RACEWAYS.items() for c in ids}
    for c in wiring["circuits"]:
        c["raceways"] = [where[c["id"]]] if c["id"] in where else []
    for z in wiring["zones"]:
        z["by"] = "typed"
        known = SWITCHED.get(z["id"])
        if known:
            z["lamp_wire_m"] = known["lamp_wire_m"]
            for place, wire in zip(z["places"], known["wires"], strict=True):
                place["wire_m"] = wire
    wiring["panel"] |= {"door_distance_m": 0.45, "floor_height_m": 1.3}
    next(c for c in wiring["circuits"] if c["kind"] == "main")["fuse_distance_m"] = 0.15
    wiring |= {"isolator_a": 400.0, "live_covered": True, "bus_studs_count": 4, "bus_stud_mm": 10}


@cache
def design() -> Design:
    """Curlew's design: typed supply, Bothy's circuits with measured lengths, a board at the rear, then the three mistakes."""
    planned, _ = accept(load_design(_base()), groups=["driving", "shore", "circuits"])
    data = planned.model_dump(mode="json")
    data["wiring"]["boards"].append(REAR_BOARD)
    data["wiring"]["circuits"].insert(3, REAR_FEED)
    for c in data["wiring"]["circuits"]:
        c["length_m"] = LENGTHS_M.get(c["id"], c["length_m"] or 2.4)
        if c["id"] in REAR:
            c["board"] = "rear"
    planned, _ = accept(load_design(data), groups=["circuits", "panel", "lighting"])
    data = planned.model_dump(mode="json")
    _made(data["wiring"])
    data = accept(load_design(data), groups=["circuits"])[0].model_dump(mode="json")
    for c in data["wiring"]["circuits"]:
        c["by"] = "typed"
        if c["id"] == "inverter-feed":
            c |= {"protection": "breaker", "fuse_a": 90.0, "area_mm2": 95.0}
        if c["id"] == "front-fridge-90-l":
            c |= {"area_mm2": 2.5, "name": "Fridge"}
    data["trips"] = TRIP
    data["warmth"] = CURLEW
    data["water"] = wet.CURLEW
    data["gas"] = lpg.CURLEW
    data["wiring"]["others"].append({"id": "gb", "kind": "gas_bond", "name": "Bond of the gas pipe", "area_mm2": 4.0, "length_m": 1.5})
    data["prove"] = {"meter": {"loop_resolution_mohm": 1.0}}
    data["fit"] = places_of("curlew")
    data["build"] = building_of("curlew")[0]
    return load_design(data)


@cache
def facts() -> Facts:
    """What was measured on Curlew so far."""
    return Facts.model_validate({**wet.CURLEW_FACTS, **lpg.CURLEW_FACTS, **building_of("curlew")[1], **proof_of("curlew")})
