"""The warmth of the demo vehicles: Curlew against the winter coast, Saltbush against the dry heat, Fiddlehead on hook-up."""

from __future__ import annotations

from typing import Any


def _l(id: str, material: str, mm: float, over: bool = False, **more: Any) -> dict[str, Any]:
    return {"id": id, "material": material, "thickness_mm": float(mm), "over_ribs": over, **more}


CURLEW: dict[str, Any] = {
    "indoor_temp_c": 19.0, "night_temp_c": 14.0, "leak_per_h": 0.8, "colour": "silver", "cab": "curtain", "tallest_m": 1.84, "heading_deg": 90.0,
    "build_ups": [
        {"id": "walls", "name": "Walls, closed-cell foam", "layers": [_l("ply", "plywood", 4, True), _l("rib-foam", "pe_foam", 10, True), _l("foam", "elastomeric_foam", 38), _l("damp", "butyl_deadening", 2, coverage_frac=0.35)],
         "rib_spacing_mm": 480.0, "rib_flange_mm": 45.0},
        {"id": "roof", "name": "Roof, foil board", "layers": [_l("lining", "plywood", 4, True), _l("rib-foam", "pe_foam", 10, True), _l("board", "pir_foil", 40)], "rib_spacing_mm": 620.0, "rib_flange_mm": 45.0, "strip_mm": 300.0,
         "radius_m": 4.0},
        {"id": "floor", "name": "Floor, extruded board", "layers": [_l("vinyl", "vinyl_floor", 2, True), _l("ply", "birch_plywood", 12, True), _l("board", "xps", 30)]},
        {"id": "doors", "name": "Rear doors, foam behind carpet", "layers": [_l("carpet", "lining_carpet", 4, True), _l("rib-foam", "pe_foam", 6, True), _l("foam", "elastomeric_foam", 25)], "rib_spacing_mm": 430.0, "rib_flange_mm": 40.0},
        {"id": "shelf-wall", "name": "Old shelf wall, fibre left in", "layers": [_l("ply", "plywood", 6, True), _l("wool", "mineral_wool", 40)], "rib_spacing_mm": 600.0},
    ],
    "surfaces": [
        {"id": "floor", "build_up": "floor"}, {"id": "roof", "build_up": "roof"}, {"id": "left", "build_up": "walls"}, {"id": "right", "build_up": "shelf-wall"},
        {"id": "rear", "build_up": "doors", "zone": "rear"}, {"id": "cab_windscreen", "cover": "cover_outside"}, {"id": "cab_side_glass", "cover": "screen_inside"},
    ],
    "openings": [
        {"id": "skylights", "name": "Old skylight", "on": "roof", "kind": "rooflight", "width_m": 0.6, "height_m": 0.4, "count": 2, "element": "double_rooflight", "cover": "plug"},
        {"id": "window-table", "name": "Window, table", "on": "left", "kind": "window", "width_m": 0.9, "height_m": 0.5, "cover": "cassette"},
        {"id": "window-bunk", "name": "Window, bunk", "on": "right", "kind": "window", "width_m": 0.6, "height_m": 0.4, "cover": "blind"},
    ],
    "heaters": [{
        "id": "heater", "name": "Diesel air heater 2 kW", "part": "heat-diesel-2", "kind": "air", "fuel": "diesel", "max_w": 2000.0, "min_w": 800.0, "efficiency_frac": 0.8, "air_flow_m3_h": 90.0, "fan_pressure_pa": 180.0,
        "outlet_biases": [1.0], "run_min_w": 8.0, "run_max_w": 28.0, "start_energy_wh": 5.0, "tank_volume_l": 75.0, "mass_kg": 2.7, "appliance": "heater",
        "routes": {"exhaust_length_mm": 1250.0, "exhaust_bends_deg": 180.0, "exhaust_end_mm": 640.0, "exhaust_end": "side", "exhaust_to_combustible_mm": 70.0, "exhaust_sleeved": True, "exhaust_low_point": True, "exhaust_drain": True,
                   "service_clear_mm": 260.0, "pump_slope_deg": 25.0, "suction_m": 0.6},
    }],
    "ducts": [
        {"id": "trunk", "name": "Trunk under the bench", "outlet": 1, "diameter_mm": 75.0, "length_m": 0.9, "bends_90": 1, "grille": "none"},
        {"id": "table", "name": "Table, by the step", "parent": "trunk", "zone": "living", "diameter_mm": 75.0, "length_m": 1.3, "bends_90": 1, "joint": "tee_straight", "damper": "damper_20", "to_fabric_mm": 320.0},
        {"id": "bunk", "name": "Bunk, under the boards", "parent": "trunk", "zone": "living", "diameter_mm": 75.0, "length_m": 1.8, "bends_90": 2, "joint": "y_branch", "to_fabric_mm": 260.0},
        {"id": "drying-run", "name": "Drying cupboard", "parent": "trunk", "zone": "rear", "diameter_mm": 60.0, "length_m": 1.6, "bends_90": 2, "joint": "tee_branch", "damper": "damper_30", "insulation_mm": 13.0},
        {"id": "cab-run", "name": "Cab, behind the curtain", "parent": "trunk", "zone": "cab", "diameter_mm": 60.0, "length_m": 3.2, "bends_90": 2, "joint": "y_branch", "closable": True, "insulation_mm": 13.0},
    ],
    "return_area_mm2": 14000.0,
    "vents": [
        {"id": "vent-high", "name": "Roof vent over the galley", "kind": "fixed_roof", "free_area_mm2": 12000.0}, {"id": "vent-low", "name": "Floor vent by the step", "kind": "fixed_low", "free_area_mm2": 12000.0},
        {"id": "roof-fan", "name": "Roof fan", "kind": "roof_fan", "free_area_mm2": 90000.0, "flow_max_m3_h": 1450.0, "power_max_w": 36.0, "speed_frac": 0.1, "closable": True},
        {"id": "louvre", "name": "Louvre window, galley", "kind": "window", "free_area_mm2": 150000.0, "closable": True},
        {"id": "washroom", "name": "Washroom extract", "kind": "extract", "free_area_mm2": 7000.0, "flow_max_m3_h": 90.0, "pressure_max_pa": 30.0, "power_max_w": 5.0, "closable": True},
    ],
    "damp": {"meals_per_day": 2.0, "showers_per_day": 0.5, "wet_coats_per_day": 2.0, "hob_kw": 3.2, "hob_h_per_day": 0.6},
    "drying": {"name": "Drying cupboard", "water_g": 1800.0, "hours": 9.0, "flow_m3_h": 45.0, "duct": "drying-run", "vented": "outside"},
    "bays": [{"id": "grey-bay", "name": "Grey tank, underfloor", "ua_to_living_w_k": 1.2, "ua_to_outside_w_k": 3.8}, {"id": "fresh-bay", "name": "Fresh tank, under the bench", "ua_to_living_w_k": 9.0, "ua_to_outside_w_k": 2.2}],
    "cabinets": [{"id": "inverter", "name": "Inverter cupboard", "heat_w": 110.0, "max_c": 40.0, "stack_height_m": 0.45, "case_area_m2": 0.9, "low_mm2": 14000.0, "high_mm2": 14000.0}],
    "alarms": [{"id": "co", "kind": "co", "mounting": "wall", "burner_mm": 1850.0, "below_ceiling_mm": 320.0, "name": "CO alarm, table"}, {"id": "smoke", "kind": "smoke", "mounting": "ceiling", "wall_mm": 520.0, "name": "Smoke alarm"}],
}  # fmt: skip
"""Two honest mistakes: fibre left bare in the old shelf wall, and the grey tank under the floor that freezes."""

SALTBUSH: dict[str, Any] = {
    "indoor_temp_c": 20.0, "night_temp_c": 16.0, "colour": "white", "cab": "curtain", "leak_per_h": 1.5, "tallest_m": 1.80,
    "build_ups": [
        {"id": "walls", "name": "Bus walls, sprayed", "layers": [_l("ply", "plywood", 4, True), _l("foam", "pu_spray", 40)], "rib_spacing_mm": 700.0, "rib_flange_mm": 50.0},
        {"id": "roof", "name": "Bus roof, sprayed", "layers": [_l("ply", "plywood", 4, True), _l("rib-foam", "pe_foam", 10, True), _l("foam", "pu_spray", 60)], "rib_spacing_mm": 700.0, "rib_flange_mm": 50.0},
        {"id": "floor", "name": "Bus floor", "layers": [_l("rubber", "rubber_mat", 3, True), _l("ply", "birch_plywood", 12, True), _l("board", "xps", 20)]},
    ],
    "surfaces": [
        {"id": "floor", "build_up": "floor"}, {"id": "roof", "build_up": "roof"}, {"id": "left", "build_up": "walls"}, {"id": "right", "build_up": "walls"}, {"id": "rear", "build_up": "walls"},
        {"id": "cab_windscreen", "shade_transmit_frac": 0.15, "cover": "cover_outside"}, {"id": "cab_side_glass", "shade_transmit_frac": 0.4},
    ],
    "openings": [
        {"id": "windows-left", "name": "Bus window", "on": "left", "kind": "window", "width_m": 0.8, "height_m": 0.55, "count": 3, "element": "single_glass", "shgc_frac": 0.6, "shade_transmit_frac": 0.15, "cover": "cover_outside"},
        {"id": "windows-right", "name": "Bus window", "on": "right", "kind": "window", "width_m": 0.8, "height_m": 0.55, "count": 4, "element": "single_glass", "shgc_frac": 0.6, "shade_transmit_frac": 0.4, "cover": "screen_inside"},
    ],
    "vents": [
        {"id": "vent-high", "name": "Roof vent over the galley", "kind": "fixed_roof", "free_area_mm2": 15000.0}, {"id": "vent-low", "name": "Floor vent at the door", "kind": "fixed_low", "free_area_mm2": 12000.0},
        {"id": "fans", "name": "Roof fans, three", "kind": "roof_fan", "free_area_mm2": 270000.0, "flow_max_m3_h": 3600.0, "power_max_w": 90.0, "speed_frac": 0.4, "closable": True},
        {"id": "windows", "name": "Louvre windows, night", "kind": "window", "free_area_mm2": 260000.0, "at_night": True, "closable": True},
        {"id": "shower", "name": "Shower extract", "kind": "extract", "free_area_mm2": 9000.0, "flow_max_m3_h": 90.0, "pressure_max_pa": 30.0, "power_max_w": 5.0, "closable": True},
    ],
    "damp": {"meals_per_day": 6.0, "showers_per_day": 4.0, "hob_kw": 4.5, "hob_h_per_day": 1.2},
    "cooler": {"name": "Roof cooler 3.2 kW, 24 V", "part": None, "capacity_w": 3200.0, "eer": 2.8, "supply": "native", "compressor": "variable", "fan_power_w": 25.0, "set_c": 28.0, "hours_wanted": 4.0, "from_h": 11.0, "to_h": 21.0, "mass_kg": 34.0},
    "cabinets": [{"id": "cold-store", "name": "Cold store compressors", "heat_w": 140.0, "max_c": 50.0, "stack_height_m": 0.9, "case_area_m2": 0.6, "low_mm2": 30000.0, "high_mm2": 30000.0}],
    "alarms": [{"id": "co", "kind": "co", "mounting": "wall", "burner_mm": 2100.0, "below_ceiling_mm": 300.0, "name": "CO alarm, galley"}, {"id": "smoke", "kind": "smoke", "mounting": "ceiling", "wall_mm": 600.0, "name": "Smoke alarm, bunks"}],
}  # fmt: skip

FIDDLEHEAD: dict[str, Any] = {
    "colour": "white", "leak_per_h": 0.8,
    "build_ups": [
        {"id": "walls", "name": "Trailer walls", "layers": [_l("ply", "plywood", 9, True), _l("board", "eps", 38)], "skin": "aluminium_skin", "skin_mm": 0.8, "rib_spacing_mm": 610.0, "rib_flange_mm": 38.0},
        {"id": "roof", "name": "Trailer roof", "layers": [_l("ply", "plywood", 4, True), _l("board", "pir_foil", 50)], "skin": "aluminium_skin", "skin_mm": 0.8, "rib_spacing_mm": 610.0, "rib_flange_mm": 38.0},
        {"id": "floor", "name": "Trailer floor", "layers": [_l("vinyl", "vinyl_floor", 2, True), _l("ply", "birch_plywood", 18, True), _l("board", "xps", 25)]},
    ],
    "surfaces": [{"id": "floor", "build_up": "floor"}, {"id": "roof", "build_up": "roof"}, {"id": "left", "build_up": "walls"}, {"id": "right", "build_up": "walls"}, {"id": "rear", "build_up": "walls"}, {"id": "front", "build_up": "walls"}],
    "openings": [{"id": "bench-window", "name": "Bench window", "on": "left", "kind": "window", "width_m": 1.2, "height_m": 0.5, "element": "single_acrylic", "cover": "cassette", "shade_transmit_frac": 0.5}],
    "heaters": [{"id": "element", "name": "Electric element 2 kW", "part": "heat-element-2", "kind": "electric", "fuel": "electric", "max_w": 2000.0, "min_w": 0.0, "efficiency_frac": 1.0, "air_flow_m3_h": 120.0, "fan_pressure_pa": 60.0, "mass_kg": 1.0}],
    "vents": [
        {"id": "vent-high", "name": "Roof vent, fixed", "kind": "fixed_roof", "free_area_mm2": 9000.0}, {"id": "vent-low", "name": "Floor vent, fixed", "kind": "fixed_low", "free_area_mm2": 9000.0},
        {"id": "door", "name": "Ramp door, ajar", "kind": "window", "free_area_mm2": 200000.0, "closable": True},
        {"id": "fan", "name": "Roof fan", "kind": "roof_fan", "free_area_mm2": 90000.0, "flow_max_m3_h": 1450.0, "power_max_w": 36.0, "speed_frac": 0.2, "closable": True},
    ],
    "damp": {"meals_per_day": 1.0, "showers_per_day": 0.0},
    "cooler": {"name": "Roof cooler 2.6 kW, mains", "part": "cool-roof-ac", "capacity_w": 2600.0, "eer": 2.74, "supply": "inverter", "compressor": "variable", "fan_power_w": 45.0, "set_c": 25.0, "hours_wanted": 0.0, "hookup_only": True, "mass_kg": 36.0, "appliance": "roof-ac"},
    "alarms": [{"id": "smoke", "kind": "smoke", "mounting": "ceiling", "wall_mm": 450.0, "name": "Smoke alarm"}, {"id": "co", "kind": "co", "mounting": "wall", "burner_mm": 1700.0, "below_ceiling_mm": 320.0, "name": "CO alarm, bed end"}],
}  # fmt: skip
