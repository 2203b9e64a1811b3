"""The gas of the demo vehicles: Curlew's two cylinders and hob, Saltbush's for the licensed gasfitter, Fiddlehead's trailer with an instant heater."""

from __future__ import annotations

from typing import Any

from bothy.core.design.gas import Gas
from bothy.core.gas.pipework import marks

SEEN = ["shut", "hose", "regulator", "drain", "bubbles", "alarms", "flames", "solenoid", "off"]


def _run(id: str, name: str, parent: str | None, length: float, **more: Any) -> dict[str, Any]:
    return {"id": id, "name": name, "parent": parent, "length_m": length, "clip_m": 0.5, "grommets": True, "to_cable_mm": 60.0, "to_hot_mm": 400.0, **more}


def _test(gas: dict[str, Any], **test: Any) -> dict[str, Any]:
    """A leak test of all that there is."""
    return {**test, "system": marks(Gas.model_validate(gas))}


CURLEW: dict[str, Any] = {
    "gas": "propane",
    "cooking": "gas",
    "target_days": 14.0,
    "price_per_kg": 4.2,
    "installer": "licensed",
    "off_at_fuel": True,
    "appliances": [
        {
            "id": "hob",
            "name": "Hob, two burners",
            "kind": "hob_burner",
            "count": 2,
            "heat_input_w": 1600.0,
            "time_h_day": 0.6,
            "nominal_mbar": 30.0,
            "flame_failure": True,
            "igniter": "piezo",
            "valve": True,
            "x_m": 3.4,
        },
        {
            "id": "oven",
            "name": "Oven",
            "kind": "oven",
            "heat_input_w": 1400.0,
            "time_h_day": 0.2,
            "nominal_mbar": 30.0,
            "flame_failure": True,
            "igniter": "piezo",
            "valve": True,
            "x_m": 3.4,
        },
    ],
    "vessels": [
        {
            "id": "propane",
            "name": "Propane 6 kg",
            "kind": "cylinder",
            "supply": "exchange",
            "count": 1,
            "capacity_kg": 6.0,
            "tare_kg": 6.9,
            "diameter_m": 0.26,
            "height_m": 0.56,
            "straps": 2,
            "restraint_n": 2500.0,
            "outlet": "pol",
        }
    ],
    "regulator": {"name": "Regulator 30 mbar, 1.5 kg/h", "nominal_mbar": 30.0, "capacity_kg_h": 1.5, "age_years": 0.4, "mount": "wall"},
    "hoses": [{"id": "pigtail", "name": "Pigtail, cylinder to regulator", "high_pressure": True, "length_m": 0.4, "age_years": 0.4}],
    "pipes": [
        _run("main", "Main, locker to galley", None, 3.2, fittings={"valve_ball": 1, "bend_90": 3}),
        _run("to-hob", "To the hob", "main", 0.6, appliance="hob", fittings={"tee_run": 1, "valve_appliance": 1, "elbow_90": 1}),
        _run("to-oven", "To the oven", "main", 0.9, appliance="oven", fittings={"tee_branch": 1, "valve_appliance": 1, "elbow_90": 2}),
    ],
    "solenoid": {"normally_closed": True, "hold_w": 1.0, "open_h_day": 2.0, "by_alarm": True},
    "locker": {
        "name": "Locker, rear nearside",
        "length_m": 0.62,
        "width_m": 0.32,
        "height_m": 0.66,
        "sealed": True,
        "opens": "outside",
        "to_heat_m": 0.6,
        "vents": [
            {
                "id": "floor",
                "name": "Floor grille",
                "position": "low",
                "width_mm": 140.0,
                "height_mm": 80.0,
                "free_frac": 0.7,
                "to_opening_m": 0.8,
                "to_exhaust_m": 1.4,
            },
        ],
    },
    "low_points": [{"id": "galley", "name": "Galley base", "hole_mm2": 1200.0, "hole_m": 0.4}],
    "lpg_alarm": {"height_m": 0.15, "bunk_edge_m": 0.42},
    "certificate": {"name": "Inspection record", "months_ago": 2.0, "who": "registered gas engineer, leisure vehicles"},
}
"""One honest mistake: the locker's one grille is a good size outside and too small once its mesh is taken off."""

SALTBUSH: dict[str, Any] = {
    "gas": "propane",
    "cooking": "gas",
    "target_days": 12.0,
    "price_per_kg": 3.6,
    "installer": "licensed",
    "off_at_fuel": True,
    "appliances": [
        {
            "id": "hob",
            "name": "Hob, three burners",
            "kind": "hob_burner",
            "count": 3,
            "heat_input_w": 1500.0,
            "time_h_day": 0.5,
            "nominal_mbar": 27.5,
            "flame_failure": True,
            "valve": True,
            "x_m": 3.2,
        }
    ],
    "vessels": [
        {
            "id": "nine",
            "name": "Cylinder 9 kg",
            "kind": "cylinder",
            "supply": "exchange",
            "count": 2,
            "capacity_kg": 9.0,
            "tare_kg": 9.0,
            "diameter_m": 0.31,
            "height_m": 0.48,
            "straps": 2,
            "restraint_n": 2500.0,
            "outlet": "pol",
        }
    ],
    "regulator": {"name": "Regulator 27.5 mbar", "nominal_mbar": 27.5, "capacity_kg_h": 1.5, "age_years": 0.0},
    "hoses": [
        {"id": "pigtail-1", "name": "Pigtail 1", "length_m": 0.4, "age_years": 0.0},
        {"id": "pigtail-2", "name": "Pigtail 2", "length_m": 0.4, "age_years": 0.0},
    ],
    "pipes": [
        _run("main", "Main, locker to galley", None, 4.5, fittings={"valve_ball": 1, "bend_90": 4}, joint="flare"),
        _run("to-hob", "To the hob", "main", 0.8, appliance="hob", joint="flare", fittings={"tee_run": 1, "valve_appliance": 1}),
    ],
    "locker": {
        "name": "Locker, near side",
        "length_m": 0.72,
        "width_m": 0.4,
        "height_m": 0.6,
        "sealed": True,
        "opens": "outside",
        "to_heat_m": 1.1,
        "vents": [
            {
                "id": "low",
                "name": "Low drain slots",
                "position": "low",
                "width_mm": 200.0,
                "height_mm": 90.0,
                "free_frac": 0.7,
                "to_opening_m": 0.9,
                "to_exhaust_m": 2.0,
            }
        ],
    },
    "lpg_alarm": {"height_m": 0.2},
}
"""Planned and not yet fitted: what is open is the gasfitter's test and certificate."""

FIDDLEHEAD: dict[str, Any] = {
    "gas": "propane",
    "cooking": "induction",
    "target_days": 10.0,
    "installer": "owner",
    "off_at_fuel": True,
    "appliances": [
        {
            "id": "water-heater",
            "name": "Instant heater",
            "kind": "instant_water_heater",
            "heat_input_w": 16000.0,
            "time_h_day": 0.15,
            "nominal_mbar": 27.4,
            "room_sealed": True,
            "flame_failure": True,
            "igniter": "dc",
            "valve": True,
            "hot_water": True,
            "x_m": 0.6,
        }
    ],
    "vessels": [
        {
            "id": "thirty",
            "name": "30 lb cylinder",
            "kind": "cylinder",
            "supply": "refillable",
            "stop_80": True,
            "count": 2,
            "capacity_kg": 13.6,
            "tare_kg": 11.0,
            "diameter_m": 0.31,
            "height_m": 0.61,
            "place": "outside",
            "straps": 2,
            "restraint_n": 3000.0,
            "outlet": "qcc1",
            "filler": "us_acme",
        }
    ],
    "regulator": {"name": "Two-stage regulator, 11 in water column", "nominal_mbar": 27.4, "capacity_kg_h": 2.6, "age_years": 1.0},
    "hoses": [{"id": "pigtail", "name": "Pigtail", "length_m": 0.38, "age_years": 1.0}],
    "pipes": [
        _run("main", "Steel main along the frame", None, 3.0, inner_diameter_mm=15.8, material="steel", joint="flare", fittings={"elbow_90": 2}),
        _run(
            "to-heater",
            "3/8 in flare to the heater",
            "main",
            1.2,
            inner_diameter_mm=7.9,
            joint="flare",
            appliance="water-heater",
            fittings={"tee_branch": 1, "valve_appliance": 1, "elbow_90": 2},
        ),
    ],
    "lpg_alarm": {"height_m": 0.15},
    "certificate": {"name": "Dealer's leak test", "months_ago": 5.0, "who": "dealer"},
}
"""One honest mistake: the last metre to the heater is too narrow for it."""
CURLEW_FACTS: dict[str, Any] = {
    "gas_tests": [
        _test(
            CURLEW,
            id="commissioning",
            name="Commissioning",
            on="2026-09-20",
            who="gas engineer",
            licence="leisure-vehicle scope",
            signed=True,
            instrument="digital manometer, 0.1 mbar",
            start_mbar=150.0,
            end_mbar=150.0,
            duration_min=5.0,
            stabilise_min=5.0,
            start_temp_c=14.0,
            end_temp_c=14.0,
            isolated=True,
        )
    ],
    "gas_checks": [
        {"id": "full-load", "kind": "working", "appliance": "hob", "value": 29.6, "on": "2026-09-20", "who": "gas engineer"},
        {"id": "shut", "kind": "lock_up", "value": 35.0, "on": "2026-09-20", "who": "gas engineer"},
        {"id": "flame", "kind": "flame_failure", "appliance": "hob", "value": 28.0, "on": "2026-09-20", "who": "gas engineer"},
    ],
    "pre_trip": SEEN[:4],
}
FIDDLEHEAD_FACTS: dict[str, Any] = {
    "gas_tests": [
        _test(
            FIDDLEHEAD,
            id="dealer",
            name="Dealer's test of the piping",
            on="2026-06-18",
            who="dealer",
            signed=True,
            start_mbar=206.8,
            end_mbar=206.8,
            duration_min=10.0,
            stabilise_min=5.0,
            start_temp_c=21.0,
            end_temp_c=21.0,
            gauge_resolution_mbar=0.5,
            isolated=True,
        )
    ],
}
