"""The water of the demo vehicles: Curlew's bench tank over the wheel arch, Saltbush's four joined tanks, Fiddlehead on the pitch's tap."""

from __future__ import annotations

from typing import Any

PUMP_10 = [{"flow_l_min": 0.0, "pressure_kpa": 280.0}, {"flow_l_min": 6.0, "pressure_kpa": 190.0}, {"flow_l_min": 11.0, "pressure_kpa": 0.0}]
PUMP_17 = [{"flow_l_min": 0.0, "pressure_kpa": 340.0}, {"flow_l_min": 10.0, "pressure_kpa": 240.0}, {"flow_l_min": 17.0, "pressure_kpa": 0.0}]


def _run(id: str, name: str, parent: str | None, bore: float, length: float, rise: float, x: float, **more: Any) -> dict[str, Any]:
    return {
        "id": id,
        "name": name,
        "parent": parent,
        "inner_diameter_mm": bore,
        "length_m": length,
        "rise_m": rise,
        "x_m": x,
        "food_grade": True,
        "drain_valve": True,
        **more,
    }


def _box(length: float, width: float, height: float, **more: Any) -> dict[str, Any]:
    return {"shape": "box", "length_m": length, "width_m": width, "height_m": height, **more}


HELD = {"restraint_x_n": 14000.0, "restraint_y_n": 14000.0, "restraint_z_n": 14000.0}
SHOWER = ["backing", "tray", "lapped", "sealed", "falls", "trap", "curtain", "extract", "flood"]
CURLEW: dict[str, Any] = {
    "use": {"style": "frugal", "shower_flow_l_min": 5.0, "shower_time_min": 3.0, "showers_person_week": 3.0},
    "tanks": [
        {
            "id": "fresh",
            "name": "Fresh, over the wheel arch",
            "holds": "fresh",
            "prisms": [_box(0.95, 0.42, 0.34), _box(0.62, 0.2, 0.16, op="cut")],
            "outlet_z_m": 0.02,
            "max_level_z_m": 0.32,
            "tank_mass_kg": 8.0,
            "x_m": 1.9,
            "z_m": 0.06,
            "vent_mm": 16.0,
            "fill_mm": 40.0,
            "fill_by": "hose",
            "food_grade": True,
            "leak_tray": True,
            "drain_valve": True,
            **HELD,
            "sender": {"kind": "resistive", "empty_signal": 0.0, "full_signal": 190.0, "empty_z_m": 0.04, "full_z_m": 0.31, "cable_resistance_ohm": 0.6},
        },
        {
            "id": "grey",
            "name": "Grey, under the floor",
            "holds": "grey",
            "prisms": [_box(0.8, 0.5, 0.18)],
            "tank_mass_kg": 6.0,
            "x_m": 2.6,
            "z_m": -0.3,
            "place": "underfloor",
            "vent_mm": 16.0,
            "drain_valve": True,
            "drain_mm": 38.0,
            "full_sensor": True,
            **HELD,
        },
    ],
    "pump": {
        "name": "Water pump 10 L/min",
        "points": PUMP_10,
        "cut_in_kpa": 140.0,
        "cut_out_kpa": 220.0,
        "accumulator_l": 5.0,
        "precharge_kpa": 126.0,
        "strainer": True,
        "shutoff": True,
        "level_stop": True,
        "leak_tray": True,
        "appliance": "pump",
    },
    "runs": [
        _run("main", "Main, tank to manifold", None, 11.6, 1.8, 0.1, 3.1, fittings={"strainer": 1, "valve_ball": 1, "valve_check": 1, "elbow_90": 3}),
        _run("sink", "Galley tap", "main", 9.0, 2.4, 0.8, 3.5, outlet="sink", wanted_l_min=4.0, rated_kpa=30.0, fittings={"elbow_90": 3, "tee_branch": 1}),
        _run("wash", "Branch to the washroom", "main", 9.0, 3.4, 0.2, 1.2, fittings={"elbow_90": 4, "tee_run": 1}),
        _run(
            "basin",
            "Washroom basin",
            "wash",
            9.0,
            0.8,
            0.6,
            1.0,
            outlet="basin",
            wanted_l_min=4.0,
            rated_kpa=30.0,
            hot=True,
            fittings={"elbow_90": 2, "tee_branch": 1},
        ),
        _run(
            "shower",
            "Shower",
            "wash",
            9.0,
            1.9,
            1.3,
            0.7,
            outlet="shower",
            wanted_l_min=6.0,
            rated_kpa=80.0,
            hot=True,
            fittings={"elbow_90": 3, "valve_stop": 1},
        ),
        _run(
            "outside",
            "Outside tap, boots",
            "main",
            9.0,
            3.1,
            0.3,
            4.0,
            outlet="outside",
            wanted_l_min=5.0,
            rated_kpa=30.0,
            fittings={"elbow_90": 2, "tee_branch": 1},
        ),
    ],
    "filters": [
        {
            "id": "carbon",
            "name": "Carbon, drinking tap",
            "kind": "carbon",
            "at": "drinking",
            "micron": 1.0,
            "rated_l": 3000.0,
            "rated_months": 6.0,
            "rated_flow_l_min": 4.0,
            "clean_kpa": 20.0,
            "used_days": 60.0,
        }
    ],
    "hot": {
        "name": "Boiler 10 L, engine and hook-up",
        "kind": "storage",
        "source": "coil_element",
        "volume_l": 10.0,
        "target_temp_c": 65.0,
        "element_w": 800.0,
        "element_supply": "shore",
        "coil_ua_w_k": 120.0,
        "coolant_temp_c": 82.0,
        "coolant_flow_l_min": 8.0,
        "loss_w_k": 0.9,
        "mixer_c": 40.0,
        "relief_kpa": 400.0,
        "relief_outside": True,
        "check_valve": True,
        "expansion_l": 1.0,
        "dry_lock": True,
        "pipe_rating_c": 95.0,
        "leak_tray": True,
    },
    "drains": [
        {"id": "sink", "name": "Sink waste", "fixture": "sink", "inner_diameter_mm": 25.0, "length_m": 1.2, "slope_frac": 0.03, "trap": True},
        {"id": "basin", "name": "Basin waste", "fixture": "basin", "inner_diameter_mm": 25.0, "length_m": 1.6, "slope_frac": 0.025, "trap": True},
        {"id": "shower", "name": "Shower waste", "fixture": "shower", "inner_diameter_mm": 28.0, "length_m": 1.4, "slope_frac": 0.02, "trap": True},
    ],
    "toilet": {"kind": "separating", "capacity_l": 8.0, "solids_l": 20.0, "spare": 1, "home_frac": 0.7, "roof_vent": True},
    "care": {"product": "liquid", "strength_frac": 0.045, "remaining_frac": 0.85, "days_ago": 40.0},
    "walls_closed": True,
    "shower_done": SHOWER,
}
"""One honest mistake: the shower starves when the basin opens, on 9 mm pipe; and the grey tank under the floor freezes, as Warmth says too."""


def _saltbush_tank(n: int, x: float, **more: Any) -> dict[str, Any]:
    held = dict.fromkeys(HELD, 9000.0)
    return {
        "id": f"fresh-{n}",
        "name": f"Fresh {n}",
        "holds": "fresh",
        "prisms": [_box(0.75, 0.4, 0.25)],
        "tank_mass_kg": 5.0,
        "x_m": x,
        "z_m": 0.05,
        "vent_mm": 16.0,
        "fill_mm": 40.0,
        "fill_by": "hose",
        "food_grade": True,
        "leak_tray": True,
        "drain_valve": True,
        **held,
        **more,
    }


SALTBUSH: dict[str, Any] = {
    "use": {"style": "frugal", "hot_climate": True, "target_days": 9.0, "showers_person_week": 1.0, "outside_l_day": 0.0},
    "tanks": [
        _saltbush_tank(1, 2.0, outlet_z_m=0.01, sender={"kind": "stepped", "step_z_m": [0.02, 0.08, 0.14, 0.2]}),
        _saltbush_tank(2, 3.0),
        _saltbush_tank(3, 4.0),
        _saltbush_tank(4, 5.0),
        {
            "id": "grey",
            "name": "Grey",
            "holds": "grey",
            "undivided_m": 0.7,
            "prisms": [_box(1.4, 0.75, 0.25)],
            "tank_mass_kg": 14.0,
            "x_m": 3.4,
            "z_m": -0.45,
            "place": "underfloor",
            "vent_mm": 16.0,
            "drain_valve": True,
            **dict.fromkeys(HELD, 30000.0),
        },
    ],
    "joins": [
        {
            "id": "four",
            "name": "Crossover of the four",
            "tanks": ["fresh-1", "fresh-2", "fresh-3", "fresh-4"],
            "z_m": 0.05,
            "inner_diameter_mm": 32.0,
            "length_m": 3.0,
            "common_vent": True,
        }
    ],
    "pump": {
        "name": "Water pump 17 L/min",
        "points": PUMP_17,
        "cut_in_kpa": 170.0,
        "cut_out_kpa": 280.0,
        "accumulator_l": 5.0,
        "strainer": True,
        "shutoff": True,
        "level_stop": True,
        "leak_tray": True,
        "appliance": "pump",
    },
    "runs": [
        _run("main", "Main", None, 13.2, 2.0, 0.1, 2.4, fittings={"strainer": 1, "valve_ball": 1, "valve_check": 1, "elbow_90": 2}),
        _run("galley", "Galley tap", "main", 11.6, 2.6, 0.9, 3.2, outlet="sink", wanted_l_min=5.0, fittings={"elbow_90": 3, "tee_branch": 1}),
        _run(
            "shower", "Shower", "main", 11.6, 4.2, 1.6, 6.2, outlet="shower", wanted_l_min=5.0, rated_kpa=70.0, hot=True, fittings={"elbow_90": 4, "tee_run": 1}
        ),
        _run("awning", "Awning tap", "main", 11.6, 3.5, 0.4, 4.6, outlet="outside", wanted_l_min=6.0, fittings={"elbow_90": 2, "tee_branch": 1}),
    ],
    "filters": [
        {
            "id": "sediment",
            "name": "Sediment, 5 µm",
            "kind": "sediment",
            "at": "all",
            "micron": 5.0,
            "rated_l": 20000.0,
            "rated_months": 6.0,
            "rated_flow_l_min": 20.0,
            "clean_kpa": 15.0,
        },
        {
            "id": "carbon",
            "name": "Carbon, drinking tap",
            "kind": "carbon",
            "at": "drinking",
            "micron": 1.0,
            "rated_l": 4000.0,
            "rated_months": 6.0,
            "rated_flow_l_min": 4.0,
            "clean_kpa": 20.0,
        },
    ],
    "drains": [
        {"id": "sink", "name": "Sink waste", "fixture": "sink", "inner_diameter_mm": 38.0, "length_m": 1.1, "slope_frac": 0.03, "trap": True},
        {"id": "shower", "name": "Shower waste", "fixture": "shower", "inner_diameter_mm": 38.0, "length_m": 1.8, "slope_frac": 0.025, "trap": True},
    ],
    "toilet": {"kind": "separating", "capacity_l": 15.0, "solids_l": 40.0, "spare": 2, "home_frac": 0.5, "roof_vent": True},
    "care": {"product": "liquid", "strength_frac": 0.05, "days_ago": 20.0},
    "shower_done": SHOWER,
}
FIDDLEHEAD: dict[str, Any] = {
    "use": {"style": "moderate", "shower_flow_l_min": 5.7, "showers_person_week": 4.0},
    "tanks": [
        {
            "id": "fresh",
            "name": "Fresh",
            "holds": "fresh",
            "prisms": [_box(0.9, 0.5, 0.28)],
            "outlet_z_m": 0.01,
            "tank_mass_kg": 8.0,
            "x_m": 1.6,
            "z_m": 0.05,
            "vent_mm": 16.0,
            "fill_mm": 32.0,
            "food_grade": True,
            "leak_tray": True,
            "drain_valve": True,
            **dict.fromkeys(HELD, 15000.0),
            "sender": {"kind": "resistive", "empty_signal": 240.0, "full_signal": 33.0},
        },
        {
            "id": "grey",
            "name": "Grey",
            "holds": "grey",
            "prisms": [_box(1.0, 0.55, 0.2)],
            "tank_mass_kg": 9.0,
            "x_m": 2.4,
            "z_m": -0.32,
            "place": "underfloor",
            "foam_mm": 25.0,
            "heater_w": 60.0,
            "vent_mm": 16.0,
            "drain_valve": True,
            "full_sensor": True,
            **dict.fromkeys(HELD, 13000.0),
        },
    ],
    "pump": {
        "name": "Water pump",
        "points": PUMP_10,
        "cut_in_kpa": 150.0,
        "cut_out_kpa": 240.0,
        "accumulator_l": 2.0,
        "strainer": True,
        "shutoff": True,
        "level_stop": True,
        "leak_tray": True,
        "appliance": "pump",
    },
    "runs": [
        _run("main", "Main", None, 12.3, 1.5, 0.1, 1.8, fittings={"strainer": 1, "valve_check": 1, "elbow_90": 2}),
        _run("sink", "Kitchen tap", "main", 12.3, 2.0, 0.8, 2.6, outlet="sink", wanted_l_min=5.0, fittings={"elbow_90": 3, "tee_branch": 1}),
        _run(
            "shower", "Shower", "main", 12.3, 3.0, 1.4, 0.9, outlet="shower", wanted_l_min=5.7, rated_kpa=70.0, hot=True, fittings={"elbow_90": 4, "tee_run": 1}
        ),
    ],
    "hookup": {"limiter_kpa": 310.0, "check_valve": True},
    "hot": {
        "name": "Instant heater",
        "kind": "instant",
        "source": "gas",
        "heat_w": 16000.0,
        "efficiency_frac": 0.82,
        "target_temp_c": 49.0,
        "min_flow_l_min": 2.5,
        "dry_lock": True,
        "pipe_rating_c": 82.0,
    },
    "drains": [
        {"id": "sink", "name": "Sink waste", "fixture": "sink", "inner_diameter_mm": 32.0, "length_m": 1.0, "slope_frac": 0.03, "trap": True},
        {"id": "shower", "name": "Shower waste", "fixture": "shower", "inner_diameter_mm": 38.0, "length_m": 1.5, "slope_frac": 0.021, "trap": True},
    ],
    "toilet": {"kind": "cassette", "capacity_l": 19.0, "home_frac": 0.7, "spare": 1},
    "care": {"days_ago": 30.0},
    "shower_done": SHOWER,
}
CURLEW_FACTS: dict[str, Any] = {
    "water_tests": [
        {
            "id": "first",
            "name": "Before the lining went on",
            "on": "2026-09-12",
            "who": "the owners",
            "medium": "water",
            "start_kpa": 330.0,
            "end_kpa": 322.0,
            "duration_min": 60.0,
            "start_temp_c": 16.0,
            "end_temp_c": 15.0,
            "pipe_type": "plastic",
        }
    ]
}
