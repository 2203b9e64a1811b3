"""Fit: the calculators of the field, in their order."""

from __future__ import annotations

import json

from bothy.core.calculators.entry import Calculator
from bothy.core.fit import boxes, hull, passing, routing, sheets, tie_down, weight
from bothy.core.roof import adhesive, cure, curing, gasket, pack, sun_shadow, wind

_SHELL = json.loads(
    '{"levels_z_m": [0.1, 1.0, 1.8], "stations": [{"x_m": 0, "left_m": [0.86, 0.88, 0.7], "right_m": [0.86, 0.88, 0.7], "height_m": 1.88},'
    ' {"x_m": 4.25, "left_m": [0.88, 0.9, 0.76], "right_m": [0.88, 0.9, 0.76], "height_m": 1.9}]}'
)

TABLE = (
    Calculator(
        "shell-width",
        "fit",
        hull.ShellWidthIn,
        hull.ShellWidthOut,
        hull.shell_width,
        {"shell": _SHELL, "x0_m": 0.6, "x1_m": 1.2, "z0_m": 0, "z1_m": 0.9},
    ),
    Calculator(
        "box-fit",
        "fit",
        boxes.BoxFitIn,
        boxes.BoxFitOut,
        boxes.box_fit,
        {
            "boxes": [
                {"id": "inverter", "x0_m": 1.75, "x1_m": 2.11, "y0_m": 0.6, "y1_m": 0.74, "z0_m": 0.1, "z1_m": 0.34, "clearance_m": {"front": 0.05}},
                {"id": "battery", "x0_m": 2.15, "x1_m": 2.67, "y0_m": 0.55, "y1_m": 0.82, "z0_m": 0, "z1_m": 0.22},
            ]
        },
    ),
    Calculator(
        "gap-fit",
        "fit",
        passing.GapFitIn,
        passing.GapFitOut,
        passing.gap_fit,
        {"item": {"width_m": 0.33, "depth_m": 0.175, "height_m": 0.22}, "gap": {"x_m": 0.21, "y_m": 0.36, "z_m": 0.3}, "terminal_space_m": 0.05},
        "lift",
    ),
    Calculator(
        "door-pass",
        "fit",
        passing.DoorPassIn,
        passing.DoorPassOut,
        passing.door_pass,
        {"opening_width_m": 0.56, "opening_height_m": 1.2, "width_m": 0.48, "depth_m": 0.5, "height_m": 0.83, "tilt_max_deg": 30},
        "lift",
    ),
    Calculator(
        "corridor-turn",
        "fit",
        passing.CorridorTurnIn,
        passing.CorridorTurnOut,
        passing.corridor_turn,
        {"length_m": 1.2, "width_m": 0.4, "corridor_a_m": 0.75, "corridor_b_m": 0.85},
        "lift",
    ),
    Calculator(
        "route-length",
        "fit",
        routing.RouteLengthIn,
        routing.RouteLengthOut,
        routing.route_length,
        {
            "nodes": [{"id": "bat", "x_m": 0.6, "y_m": 0.6, "z_m": 0.3}, {"id": "w1", "x_m": 0.6, "y_m": 0.8, "z_m": 0.9}],
            "edges": [{"id": "e1", "a": "bat", "b": "w1", "services": ["dc"]}],
            "runs": [{"id": "light", "service": "dc", "from": {"x_m": 0.5, "y_m": 0.5, "z_m": 0.3}, "to": {"x_m": 0.7, "y_m": 0.75, "z_m": 1.2}}],
        },
        "cut",
    ),
    Calculator(
        "tie-down",
        "fit",
        tie_down.TieDownIn,
        tie_down.TieDownOut,
        tie_down.tie_down,
        {"mass_kg": 27, "fixing_shear_n": 2500, "fixing_pull_n": 2500, "cg_height_m": 0.11, "base_x_m": 0.48, "base_y_m": 0.23},
        "tie",
    ),
    Calculator(
        "axle-loads",
        "fit",
        weight.AxleLoadsIn,
        weight.AxleLoadsOut,
        weight.axle_loads,
        {
            "rear_axle_x_m": 1.27,
            "front_axle_x_m": 5.32,
            "base": {"front_kg": 1250, "rear_kg": 1000},
            "masses": [{"id": "water", "mass_kg": 100, "x_m": 0.7}],
            "limits": {"gross_kg": 3500, "front_kg": 1850, "rear_kg": 2250},
        },
        "weight",
    ),
    Calculator(
        "trailer-balance",
        "fit",
        weight.TrailerBalanceIn,
        weight.TrailerBalanceOut,
        weight.trailer_balance,
        {
            "region": "uk",
            "coupling_x_m": 4.4,
            "axles_x_m": [1.5],
            "base": {"nose_kg": 45, "axle_kg": 650},
            "masses": [{"id": "galley", "mass_kg": 160, "x_m": 0.3}],
        },
        "trailer-balance",
    ),
    Calculator(
        "weighbridge-fit",
        "fit",
        weight.WeighbridgeFitIn,
        weight.WeighbridgeFitOut,
        weight.weighbridge_fit,
        {
            "rear_axle_x_m": 1.27,
            "front_axle_x_m": 5.32,
            "model_front_kg": 1480,
            "model_rear_kg": 1290,
            "measured_front_kg": 1500,
            "measured_rear_kg": 1380,
        },
        "weight",
    ),
    Calculator(
        "sheet-mass",
        "fit",
        sheets.SheetMassIn,
        sheets.SheetMassOut,
        sheets.sheet_mass,
        {"pieces": [{"id": "back", "material": "birch_ply", "length_m": 1.8, "width_m": 0.6, "thickness_mm": 12, "cutout_area_m2": 0.7}]},
    ),
    Calculator(
        "sheet-count",
        "fit",
        sheets.SheetCountIn,
        sheets.SheetCountOut,
        sheets.sheet_count,
        {"area_m2": 14.6},
    ),
    Calculator(
        "panel-pack",
        "fit",
        pack.PanelPackIn,
        pack.PanelPackOut,
        pack.panel_pack,
        {
            "roof": {"x0_m": 0, "x1_m": 3.6, "y0_m": -0.75, "y1_m": 0.75},
            "obstacles": [{"id": "fan", "x0_m": 2.9, "x1_m": 3.3, "y0_m": -0.2, "y1_m": 0.2}],
            "panels": [{"id": "p110", "length_m": 1.05, "width_m": 0.54, "power_w": 110}],
        },
        "roof",
    ),
    Calculator(
        "shadow-length",
        "fit",
        sun_shadow.ShadowLengthIn,
        sun_shadow.ShadowLengthOut,
        sun_shadow.shadow_length,
        {"height_m": 0.12, "sun_elevation_deg": 20},
    ),
    Calculator(
        "gasket-trim",
        "fit",
        gasket.GasketTrimIn,
        gasket.GasketTrimOut,
        gasket.gasket_trim,
        {"gasket_thickness_mm": 28, "rib_heights_mm": [0, 2, 8], "roof_thickness_mm": 24, "clamp_min_mm": 30, "clamp_max_mm": 60},
        "cut",
    ),
    Calculator(
        "wind-uplift",
        "fit",
        wind.WindUpliftIn,
        wind.WindUpliftOut,
        wind.wind_uplift,
        {"vehicle_speed_m_s": 31, "plan_area_m2": 0.567, "frontal_area_m2": 0.02, "mass_kg": 7.5},
        "roof",
    ),
    Calculator(
        "adhesive-need",
        "fit",
        adhesive.AdhesiveNeedIn,
        adhesive.AdhesiveNeedOut,
        adhesive.adhesive_need,
        {"tension_n": 735, "shear_n": 31, "bead_width_mm": 12},
        "roof",
    ),
    Calculator(
        "cure-time",
        "fit",
        cure.CureTimeIn,
        cure.CureTimeOut,
        cure.cure_time,
        {"temp_c": 12, "humidity_frac": 0.7, "bead_width_mm": 12},
        "roof",
    ),
    Calculator(
        "cure-window",
        "fit",
        curing.CureWindowIn,
        curing.CureWindowOut,
        curing.cure_window,
        {
            "material": "ms_sealant",
            "bead_depth_mm": 4,
            "profile": [{"duration_h": 12, "temp_c": 15, "rh_frac": 0.6}, {"duration_h": 12, "temp_c": 6, "rh_frac": 0.8}],
            "hold_last": True,
        },
        "roof",
    ),
)
