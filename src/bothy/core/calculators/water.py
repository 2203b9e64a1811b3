"""Water: the calculators of the field, in their order."""

from __future__ import annotations

from bothy.core.calculators.entry import Calculator
from bothy.core.water import accumulator, autonomy, care, crossover, demand, frost, gauge, hold_test, hot, tank, waste
from bothy.core.water import pipe as water_pipe

_TANK = [{"shape": "box", "length_m": 1.0, "width_m": 0.4, "height_m": 0.3}]
_PUMP = [{"flow_l_min": 0, "pressure_kpa": 260}, {"flow_l_min": 6, "pressure_kpa": 170}, {"flow_l_min": 11, "pressure_kpa": 0}]

TABLE = (
    Calculator(
        "water-demand",
        "water",
        demand.WaterDemandIn,
        demand.WaterDemandOut,
        demand.water_demand,
        {"persons_count": 2},
    ),
    Calculator(
        "water-autonomy",
        "water",
        autonomy.WaterAutonomyIn,
        autonomy.WaterAutonomyOut,
        autonomy.water_autonomy,
        {"stores": [{"name": "fresh", "capacity_l": 100, "flow_l_day": 40}, {"name": "grey", "capacity_l": 70, "flow_l_day": 33}]},
    ),
    Calculator(
        "tank-volume",
        "water",
        tank.TankVolumeIn,
        tank.TankVolumeOut,
        tank.tank_volume,
        {"prisms": _TANK, "outlet_z_m": 0.02},
    ),
    Calculator(
        "gauge-calibration",
        "water",
        gauge.GaugeCalibrationIn,
        gauge.GaugeCalibrationOut,
        gauge.gauge_calibration,
        {"prisms": _TANK, "sender_type": "resistive", "empty_signal": 0, "full_signal": 190, "sender_empty_z_m": 0.03},
    ),
    Calculator(
        "tank-crossover",
        "water",
        crossover.TankCrossoverIn,
        crossover.TankCrossoverOut,
        crossover.tank_crossover,
        {
            "crossover_z_m": 0.05,
            "inner_diameter_mm": 25,
            "length_m": 1.5,
            "draw_flow_l_min": 10,
            "tanks": [
                {"area_m2": 0.25, "floor_z_m": 0, "height_m": 0.4, "level_z_m": 0.38},
                {"area_m2": 0.15, "floor_z_m": 0, "height_m": 0.45, "level_z_m": 0.02},
            ],
        },
    ),
    Calculator(
        "pipe-pressure-loss",
        "water",
        water_pipe.PipePressureLossIn,
        water_pipe.PipePressureLossOut,
        water_pipe.pipe_pressure_loss,
        {"flow_l_min": 8, "inner_diameter_mm": 11.6, "length_m": 5, "fittings": {"elbow_90": 4}, "rise_m": 1.2},
    ),
    Calculator(
        "tap-flow",
        "water",
        water_pipe.TapFlowIn,
        water_pipe.TapFlowOut,
        water_pipe.tap_flow,
        {
            "pump_points": _PUMP,
            "supply": {"inner_diameter_mm": 11.6, "length_m": 3},
            "outlets": [{"name": "shower", "inner_diameter_mm": 11.6, "length_m": 2, "rise_m": 1.2, "rated_flow_l_min": 6, "rated_kpa": 60}],
        },
    ),
    Calculator(
        "accumulator-size",
        "water",
        accumulator.AccumulatorSizeIn,
        accumulator.AccumulatorSizeOut,
        accumulator.accumulator_size,
        {"cut_in_kpa": 140, "cut_out_kpa": 240, "accumulator_l": 1, "draw_flow_l_min": 3, "pump_flow_l_min": 9},
    ),
    Calculator(
        "instant-heat",
        "water",
        hot.InstantHeatIn,
        hot.InstantHeatOut,
        hot.instant_heat,
        {"solve_for": "heat", "flow_l_min": 5, "outlet_temp_c": 40},
        "scald",
    ),
    Calculator(
        "storage-heat-time",
        "water",
        hot.StorageHeatTimeIn,
        hot.StorageHeatTimeOut,
        hot.storage_heat_time,
        {"volume_l": 10, "heat_w": 800, "supply": "inverter"},
        "scald",
    ),
    Calculator(
        "mixed-water",
        "water",
        hot.MixedWaterIn,
        hot.MixedWaterOut,
        hot.mixed_water,
        {"hot_volume_l": 10, "hot_temp_c": 65},
        "scald",
    ),
    Calculator(
        "sanitise-dose",
        "water",
        care.SanitiseDoseIn,
        care.SanitiseDoseOut,
        care.sanitise_dose,
        {"system_volume_l": 105, "product_type": "liquid", "strength_frac": 0.045},
        "chlorine",
    ),
    Calculator(
        "filter-life",
        "water",
        care.FilterLifeIn,
        care.FilterLifeOut,
        care.filter_life,
        {"flow_l_day": 40, "filters": [{"name": "carbon", "rated_l": 5000, "rated_flow_l_min": 4, "clean_kpa": 20}]},
    ),
    Calculator(
        "pressure-hold-test",
        "water",
        hold_test.PressureHoldTestIn,
        hold_test.PressureHoldTestOut,
        hold_test.pressure_hold_test,
        {"medium": "water", "start_kpa": 350, "end_kpa": 342, "duration_min": 60},
        "air-test",
    ),
    Calculator(
        "drain-time",
        "water",
        waste.DrainTimeIn,
        waste.DrainTimeOut,
        waste.drain_time,
        {"area_m2": 0.2, "level_m": 0.35, "inner_diameter_mm": 25},
    ),
    Calculator(
        "freeze-hold",
        "water",
        frost.FreezeHoldIn,
        frost.FreezeHoldOut,
        frost.freeze_hold,
        {"volume_l": 70, "outside_temp_c": -12, "loss_w_k": 2.5},
    ),
)
