"""What a demo does not have and somebody could enter wrongly: pieces that are added or changed together, and the danger or fault that names them.

A power station, a coolant loop, slide-outs, a lifting roof, another water heater, a stove, things that stand elsewhere in Fit. A row whose danger falls
silent is a rule that was lost. The demo, the finding that names it, and the changes: path and value."""

from __future__ import annotations

from typing import Any

Added = tuple[str, str, tuple[tuple[str, Any], ...]]

HEATER = {"id": "boil", "name": "Coolant heater", "kind": "coolant", "fuel": "diesel", "max_w": 5000, "min_w": 1200, "tank_volume_l": 20}
COIL = {"id": "z1", "name": "Fan coil", "rated_w": 2000, "pipe_length_m": 8}
LOOP = {"pump_head_max_m": 2.0, "pump_flow_max_l_min": 15, "volume_l": 8, "header_space_l": 1.5, "zones": [COIL]}
STATION = {
    "dc_limit_w": 200,
    "inverter_limit_w": 300,
    "inverter_surge_w": 400,
    "solar_max_power_w": 200,
    "solar_max_voltage_v": 30,
    "solar_max_current_a": 10,
    "car_input_w": 100,
    "shore_input_w": 200,
}

ADDED: tuple[Added, ...] = (
    ("curlew", "power-station-solar-voltage:bank", (("power/bank/station", STATION),)),
    (
        "curlew",
        "power-station-inverter-limit:bank",
        (("power/bank/station", {**STATION, "dc_limit_w": 1500, "inverter_limit_w": 2000, "solar_max_voltage_v": 60}),),
    ),
    ("fiddlehead", "power-station-solar-voltage:bank", (("power/bank/station", STATION),)),
    ("curlew", "power-charge-profile:solar", (("power/controller/profile", {"absorption_v": 17}),)),
    ("curlew", "power-charge-profile:shore", (("power/shore/profile", {"absorption_v": 14.4, "equalise": True}),)),
    ("curlew", "power-charge-profile:driving", (("power/driving/profile", {"absorption_v": 15.5}),)),
    (
        "curlew",
        "power-lead-sparks:bank",
        (
            ("power/bank/chemistry", "flooded"),
            ("vehicle/bank_place", "warm_inside"),
            ("power/bank/vent", "outside"),
            ("power/bank/beside_sparks", True),
        ),
    ),
    (
        "curlew",
        "power-charge-profile:shore",
        (
            ("power/bank/chemistry", "gel"),
            ("power/shore/profile", {"absorption_v": 14.4, "equalise": True}),
        ),
    ),
    (
        "curlew",
        "wire-over-ampacity:main",
        (
            ("power/inverter/rating_w", 5000),
            ("power/inverter/surge_power_w", 10000),
        ),
    ),
    (
        "curlew",
        "wire-ac-hookup-lead:mains",
        (
            ("wiring/mains/hookup_mm2", 0.75),
            ("wiring/mains/hookup_length_m", 25),
        ),
    ),
    (
        "curlew",
        "warm-glycol-frost:loop",
        (
            ("warmth/heaters/-", HEATER),
            ("warmth/loop", {**LOOP, "fluid": "water"}),
        ),
    ),
    (
        "curlew",
        "warm-loop-expansion:loop",
        (
            ("warmth/heaters/-", HEATER),
            ("warmth/loop", {**LOOP, "header_space_l": 0}),
        ),
    ),
    (
        "curlew",
        "warm-loop-pump:loop",
        (
            ("warmth/heaters/-", HEATER),
            ("warmth/loop", {**LOOP, "pipe_inner_mm": 6}),
        ),
    ),
    (
        "curlew",
        "warm-floor-hot:loopzone:z1",
        (
            ("warmth/heaters/-", HEATER),
            ("warmth/loop", {**LOOP, "zones": [{**COIL, "area_m2": 2.0, "emitter": "floor", "floor_c": 42}]}),
        ),
    ),
    (
        "curlew",
        "warm-glycol-potable:loop",
        (
            ("warmth/heaters/-", HEATER),
            ("warmth/loop", {**LOOP, "fluid": "eg50", "zones": [COIL, {**COIL, "emitter": "exchanger", "id": "z2", "rated_w": 9000}]}),
        ),
    ),
    (
        "curlew",
        "warm-dhw-scald:loop",
        (
            ("warmth/heaters/-", HEATER),
            ("warmth/loop", {**LOOP, "supply_c": 95, "zones": [COIL, {**COIL, "emitter": "exchanger", "id": "z2", "rated_w": 9000}]}),
        ),
    ),
    (
        "curlew",
        "warm-loop-heat:heater:boil",
        (
            ("warmth/heaters/-", HEATER),
            ("warmth/loop", {**LOOP, "zones": [{**COIL, "open": False}]}),
        ),
    ),
    ("curlew", "warm-loop-heat:loop", (("warmth/loop", LOOP),)),
    (
        "curlew",
        "warm-glycol-potable:loop",
        (
            ("warmth/heaters/-", HEATER),
            ("warmth/loop", {**LOOP, "fluid": "eg50", "zones": [{**COIL, "emitter": "calorifier"}]}),
            ("water/hot/source", "loop"),
        ),
    ),
    (
        "curlew",
        "warm-combustion-air:heater:boil",
        (
            (
                "warmth/heaters/-",
                {
                    **HEATER,
                    "routes": {
                        "exhaust_bends_deg": 700,
                        "exhaust_end": "under",
                        "exhaust_end_mm": 100,
                        "exhaust_length_mm": 5000,
                        "exhaust_to_combustible_mm": 5,
                        "feed_switched": True,
                        "fuel_joint_inside": True,
                        "intake_inside": True,
                        "joint_inside": True,
                        "pump_slope_deg": -20,
                        "suction_m": 5,
                    },
                },
            ),
            ("warmth/loop", LOOP),
        ),
    ),
    (
        "curlew",
        "warm-smoke-alarm:air",
        (
            ("warmth/heaters/-", {"fuel": "wood", "id": "st", "kind": "stove", "max_w": 4000, "min_w": 1000, "name": "Stove"}),
            ("warmth/alarms", []),
        ),
    ),
    (
        "curlew",
        "warm-wood-clearance:heater:st",
        (("warmth/heaters/-", {"fuel": "wood", "id": "st", "kind": "stove", "max_w": 4000, "min_w": 1000, "name": "Stove"}),),
    ),
    (
        "curlew",
        "warm-unflued-heating:air",
        (("warmth/heaters/-", {"fuel": "propane", "id": "g", "kind": "air", "max_w": 4000, "min_w": 1000, "name": "Gas heater", "room_sealed": False}),),
    ),
    ("curlew", "fit-roof-seam:panel:roof-2", (("warmth/pop_top", {"height_m": 0.8, "length_m": 2.0, "width_m": 1.2}),)),
    ("curlew", "warm-duct-hot:ducts", (("warmth/return_area_mm2", 1000),)),
    ("curlew", "warm-cabinet-hot:cabinet:c", (("warmth/cabinets", [{"heat_w": 300, "high_mm2": 0, "id": "c", "low_mm2": 0, "name": "Inverter cabinet"}]),)),
    (
        "curlew",
        "warm-frost-bay:bay:b",
        (
            ("warmth/bays", [{"id": "b", "name": "Tank bay", "ua_to_living_w_k": 0, "ua_to_outside_w_k": 10}]),
            ("warmth/design_cold_c", -15),
        ),
    ),
    ("curlew", "warm-duct-hot:ducts", (("warmth/ducts/0/diameter_mm", 20),)),
    (
        "curlew",
        "gas-permanent-vent-short:room",
        (
            ("warmth/vents/0/free_area_mm2", 100),
            ("warmth/vents/1/free_area_mm2", 100),
        ),
    ),
    (
        "curlew",
        "warm-gas-vent-closable:vent:vent-high",
        (
            ("warmth/vents/0/closable", True),
            ("warmth/vents/1/closable", True),
        ),
    ),
    ("curlew", "warm-smoke-alarm:air", (("warmth/alarms", []),)),
    ("curlew", "gas-lpg-alarm-missing:gas-alarm", (("gas/lpg_alarm", None),)),
    ("fiddlehead", "warm-ac-surge:cooler", (("warmth/cooler/capacity_w", 20000),)),
    ("saltbush", "warm-heater-missing:heating", (("warmth/design_cold_c", -20),)),
    (
        "curlew",
        "warm-grille-fabric:duct:table",
        (
            ("warmth/ducts/0/to_fabric_mm", 1),
            ("warmth/ducts/1/to_fabric_mm", 1),
            ("warmth/ducts/2/to_fabric_mm", 1),
        ),
    ),
    ("curlew", "warm-grille-fabric:duct:bunk", (("warmth/ducts/2/to_fabric_mm", 1),)),
    ("curlew", "warm-grille-fabric:duct:drying-run", (("warmth/ducts/3/to_fabric_mm", 1),)),
    ("curlew", "warm-opening-large:shell", (("warmth/slide_outs", [{"depth_m": 0.8, "height_m": 2.05, "id": "s", "on": "left", "width_m": 4.4, "x_m": 3}]),)),
    (
        "curlew",
        "fit-opening-body:surface:slide_out_1",
        (
            (
                "warmth/slide_outs",
                [
                    {"depth_m": 0.8, "height_m": 1.5, "id": "s", "on": "left", "width_m": 2.0},
                    {"depth_m": 0.8, "height_m": 1.4, "id": "t", "on": "left", "width_m": 2.0},
                ],
            ),
        ),
    ),
    ("curlew", "fit-roof-seam:light:skylights-1", (("warmth/pop_top", {"height_m": 0.8, "length_m": 4.0, "width_m": 1.6}),)),
    (
        "curlew",
        "gas-not-room-sealed:gas-appliance:f",
        (("gas/appliances/-", {"flame_failure": True, "heat_input_w": 3000, "id": "f", "kind": "space_heater", "name": "Gas fire", "valve": True}),),
    ),
    (
        "curlew",
        "gas-butane-cold:gas",
        (
            ("gas/gas", "butane"),
            ("life/from_month", 1),
            ("life/to_month", 2),
        ),
    ),
    (
        "curlew",
        "gas-butane-cold:gas",
        (
            ("gas/gas", "butane"),
            ("gas/coldest_c", -10),
        ),
    ),
    ("curlew", "gas-locker-spark:locker", (("gas/locker/sparks", ["relay"]),)),
    ("curlew", "gas-locker-not-sealed:locker", (("gas/locker/unsealed", "cable hole"),)),
    (
        "curlew",
        "gas-pipe-near-cable:gas-run:main",
        (
            ("gas/pipes/0/crosses_cable", True),
            ("gas/pipes/0/to_cable_mm", 5),
        ),
    ),
    (
        "curlew",
        "gas-drive-open:regulator",
        (
            ("gas/ferry_or_tunnel", True),
            ("gas/while_driving", "open"),
        ),
    ),
    ("curlew", "gas-regulator-missing:regulator", (("gas/regulator", None),)),
    (
        "curlew",
        "gas-licence-required:papers",
        (
            ("gas/installer", "owner"),
            ("gas/let_or_lived_in", True),
        ),
    ),
    ("curlew", "gas-no-certificate:papers", (("gas/certificate", None),)),
    (
        "curlew",
        "gas-not-room-sealed:gas-appliance:wh",
        (
            (
                "gas/appliances/-",
                {
                    "flame_failure": True,
                    "heat_input_w": 10000,
                    "id": "wh",
                    "kind": "instant_water_heater",
                    "name": "Instant water heater",
                    "room_sealed": False,
                    "valve": True,
                },
            ),
        ),
    ),
    (
        "curlew",
        "gas-pressure-mismatch:gas-appliance:hob",
        (
            ("gas/appliances/0/plate_28_37", True),
            ("gas/regulator/nominal_mbar", 50),
        ),
    ),
    (
        "curlew",
        "warm-loop-heat:heater:boil",
        (
            ("warmth/drying", None),
            ("warmth/heaters", [HEATER]),
            ("warmth/ducts", []),
        ),
    ),
    (
        "curlew",
        "warm-loop-heat:loop",
        (
            ("warmth/drying", None),
            ("warmth/heaters", [HEATER]),
            ("warmth/ducts", []),
            ("warmth/loop", {**LOOP, "zones": [{**COIL, "rated_w": 200}]}),
        ),
    ),
    ("curlew", "gas-fridge-open:f", (("gas/appliances/-", {"flame_failure": True, "id": "f", "kind": "fridge", "name": "Fridge", "valve": True}),)),
    (
        "curlew",
        "gas-refuel-flame:solenoid",
        (
            ("gas/appliances/-", {"flame_failure": True, "id": "f", "kind": "fridge", "name": "Fridge", "valve": True}),
            ("gas/off_at_fuel", False),
        ),
    ),
    (
        "curlew",
        "gas-overfill:vessel:tank",
        (("gas/vessels/-", {"fill_limit_frac": 0.85, "id": "tank", "kind": "tank", "place": "underfloor", "supply": "refillable", "water_capacity_l": 60}),),
    ),
    (
        "curlew",
        "gas-vessel-indoors:vessel:tank",
        (("gas/vessels/-", {"id": "tank", "kind": "tank", "place": "inside", "supply": "refillable", "water_capacity_l": 60}),),
    ),
    ("curlew", "water-hot-no-relief:hot", (("water/hot", {"coolant_temp_c": 95, "kind": "storage", "source": "coil", "volume_l": 10}),)),
    ("curlew", "water-hot-no-mixer:hot", (("water/hot", {"heat_w": 10000, "kind": "instant", "source": "gas"}),)),
    (
        "curlew",
        "water-hot-no-mixer:hot",
        (
            ("water/hot/mixer_c", 65),
            ("water/hot/target_temp_c", 80),
        ),
    ),
    ("curlew", "water-backflow:hookup", (("water/hookup", {}),)),
    ("curlew", "water-pressure-over-rating:pump", (("water/hookup", {"check_valve": True, "limiter_kpa": 800}),)),
    ("curlew", "water-freeze-exposed:tank:fresh", (("water/tanks/0/place", "outside"),)),
    ("curlew", "water-precharge-wrong:pump", (("water/pump/precharge_kpa", 500),)),
    (
        "curlew",
        "wire-parallel-unequal:front-fridge-90-l",
        (
            ("wiring/circuits/8/parallel_count", 2),
            ("wiring/circuits/8/parallel_equal", False),
        ),
    ),
    (
        "curlew",
        "wire-dc-breaker-wrong:front-fridge-90-l",
        (
            ("wiring/circuits/8/protection", "breaker"),
            ("wiring/circuits/8/breaker_mark", "ac_only"),
        ),
    ),
    ("curlew", "wire-holder-too-small:front-fridge-90-l", (("wiring/circuits/8/holder_rating_a", 1),)),
    ("curlew", "wire-negative-smaller:front-fridge-90-l", (("wiring/circuits/8/negative_area_mm2", 0.5),)),
    ("curlew", "wire-shunt-bypassed:front-fridge-90-l", (("wiring/circuits/8/negative_at", "post"),)),
    ("curlew", "wire-hidden-joint:front-fridge-90-l", (("wiring/circuits/8/joint", "behind_lining"),)),
    ("curlew", "wire-solid-core:front-fridge-90-l", (("wiring/circuits/8/solid_core", True),)),
    ("curlew", "wire-no-fuse-at-source:front-fridge-90-l", (("wiring/circuits/8/protection", "none"),)),
    ("curlew", "wire-fuse-too-far:front-fridge-90-l", (("wiring/circuits/8/fuse_distance_m", 5),)),
    ("curlew", "wire-cable-burns-first:front-fridge-90-l", (("wiring/circuits/8/clearing_time_s", 60),)),
    ("curlew", "wire-fuse-too-far:main", (("wiring/circuits/0/fuse_distance_m", 3),)),
    ("curlew", "wire-no-fuse-at-source:inverter-feed", (("wiring/circuits/1/protection", "none"),)),
    ("curlew", "wire-fuse-above-ampacity:board-feed", (("wiring/circuits/2/area_mm2", 6.0),)),
    ("curlew", "wire-no-fuse-at-source:board-feed", (("wiring/circuits/2/protection", "none"),)),
    ("curlew", "wire-fuse-above-ampacity:board-feed", (("wiring/circuits/2/fuse_a", 400),)),
    ("curlew", "wire-isolator-bypassed:board-feed", (("wiring/circuits/2/before_isolator", True),)),
    ("curlew", "wire-fuse-too-far:board-feed", (("wiring/circuits/2/fuse_distance_m", 3),)),
    ("curlew", "wire-no-fuse-at-source:rear-board-feed", (("wiring/circuits/3/protection", "none"),)),
    ("curlew", "wire-fuse-above-ampacity:rear-board-feed", (("wiring/circuits/3/fuse_a", 400),)),
    ("curlew", "wire-isolator-bypassed:rear-board-feed", (("wiring/circuits/3/before_isolator", True),)),
    ("curlew", "wire-fuse-too-far:rear-board-feed", (("wiring/circuits/3/fuse_distance_m", 3),)),
    ("curlew", "wire-over-ampacity:solar-charge", (("wiring/circuits/4/area_mm2", 6.0),)),
    ("curlew", "wire-no-fuse-at-source:solar-charge", (("wiring/circuits/4/protection", "none"),)),
    ("curlew", "wire-fuse-above-ampacity:solar-charge", (("wiring/circuits/4/fuse_a", 400),)),
    ("curlew", "wire-fuse-too-far:solar-charge", (("wiring/circuits/4/fuse_distance_m", 3),)),
    ("curlew", "wire-over-ampacity:driving-charge", (("wiring/circuits/5/area_mm2", 6.0),)),
    ("curlew", "wire-no-fuse-at-source:driving-charge", (("wiring/circuits/5/protection", "none"),)),
    ("curlew", "wire-fuse-above-ampacity:driving-charge", (("wiring/circuits/5/fuse_a", 400),)),
    ("curlew", "wire-fuse-too-far:driving-charge", (("wiring/circuits/5/fuse_distance_m", 3),)),
    ("curlew", "wire-over-ampacity:shore-charge", (("wiring/circuits/6/area_mm2", 6.0),)),
    ("curlew", "wire-no-fuse-at-source:shore-charge", (("wiring/circuits/6/protection", "none"),)),
    ("curlew", "wire-fuse-above-ampacity:shore-charge", (("wiring/circuits/6/fuse_a", 400),)),
    ("curlew", "wire-fuse-too-far:shore-charge", (("wiring/circuits/6/fuse_distance_m", 3),)),
    ("curlew", "wire-over-ampacity:from-the-starter-battery", (("wiring/circuits/7/area_mm2", 6.0),)),
    ("curlew", "wire-no-fuse-at-source:from-the-starter-battery", (("wiring/circuits/7/protection", "none"),)),
    ("curlew", "wire-fuse-above-ampacity:from-the-starter-battery", (("wiring/circuits/7/fuse_a", 400),)),
    ("curlew", "wire-fuse-too-far:from-the-starter-battery", (("wiring/circuits/7/fuse_distance_m", 3),)),
    ("curlew", "wire-other-thin:other:in", (("wiring/others/1/area_mm2", 0.5),)),
    ("curlew", "wire-other-thin:other:io", (("wiring/others/2/area_mm2", 0.5),)),
    ("curlew", "wire-earth-thin:other:cb", (("wiring/others/3/area_mm2", 0.5),)),
    ("curlew", "wire-earth-thin:other:me", (("wiring/others/4/area_mm2", 0.5),)),
    ("curlew", "wire-earth-thin:other:gb", (("wiring/others/5/area_mm2", 0.5),)),
    ("curlew", "wire-isolator-small:wiring", (("wiring/isolator_a", 50),)),
    (
        "curlew",
        "wire-ac-dc-mixed:mains",
        (
            ("wiring/boards/0/enclosure", "box"),
            ("wiring/boards/1/enclosure", "box"),
        ),
    ),
    (
        "curlew",
        "fit-generator-indoors:power:generator",
        (
            ("power/generator", {"mass_kg": 21, "rating_w": 2000}),
            ("fit/places/-", {"of": "power:generator", "x_m": 2.0, "y_m": 0.0, "z_m": 0.0}),
        ),
    ),
    ("curlew", "fit-orientation:life:fridge", (("fit/places/4/up", "left"),)),
    ("curlew", "fit-orientation:power:bank", (("fit/places/15/up", "bottom"),)),
    ("curlew", "fit-orientation:gas:propane", (("fit/places/12/up", "left"),)),
    (
        "curlew",
        "fit-gas-indoors:gas:propane",
        (
            ("fit/places/12/x_m", 2.0),
            ("fit/places/12/y_m", -0.2),
            ("fit/places/12/z_m", 0.3),
            ("fit/places/12/bay", None),
        ),
    ),
    (
        "curlew",
        "fit-battery-near-heat:power:bank+warmth:heater",
        (
            ("fit/places/15/x_m", 2.0),
            ("fit/places/15/y_m", -0.2),
            ("fit/places/15/z_m", 0.3),
            ("fit/places/15/bay", None),
        ),
    ),
    (
        "curlew",
        "fit-water-above-mains:water:fresh+power:inverter",
        (
            ("fit/places/13/x_m", 2.0),
            ("fit/places/13/y_m", -0.2),
            ("fit/places/13/z_m", 0.3),
            ("fit/places/13/bay", None),
        ),
    ),
    (
        "curlew",
        "fit-stove-combustible:gas:hob+own:bunk",
        (
            ("fit/places/9/x_m", 2.0),
            ("fit/places/9/y_m", -0.2),
            ("fit/places/9/z_m", 0.3),
            ("fit/places/9/bay", None),
        ),
    ),
    (
        "curlew",
        "gas-lpg-alarm-missing:gas-alarm",
        (
            ("fit/places/51/x_m", 0.5),
            ("fit/places/51/y_m", 0.0),
            ("fit/places/51/z_m", 1.2),
            ("fit/places/51/bay", None),
        ),
    ),
    (
        "curlew",
        "wire-ac-wet-room:zs",
        (
            (
                "life/appliances/-",
                {"hours_per_day": 0.1, "id": "zs", "kind": "socket", "name": "Shaver socket", "power_w": 500, "supply": "ac", "zone": "washroom"},
            ),
        ),
    ),
    ("curlew", "wire-device-fuse-exceeded:front-fridge-90-l", (("life/appliances/0/max_fuse_a", 1),)),
    (
        "fiddlehead",
        "fit-exit-blocked:fit",
        (
            ("fit/own/-", {"height_m": 1.8, "id": "zz", "kind": "wardrobe", "length_m": 1.2, "mass_kg": 40, "name": "Box", "width_m": 0.5}),
            ("fit/places/-", {"of": "own:zz", "x_m": 3.0, "y_m": -1.0, "z_m": 0.0}),
            ("fit/own/-", {"height_m": 1.8, "id": "yy", "kind": "wardrobe", "length_m": 0.5, "mass_kg": 40, "name": "Box", "width_m": 2.0}),
            ("fit/places/-", {"of": "own:yy", "x_m": 0.05, "y_m": -1.0, "z_m": 0.0}),
        ),
    ),
)
