"""Build: the calculators of the field, in their order."""

from __future__ import annotations

from bothy.core.build import buying, durations, gate, network, pace, small_schedule, task_list, windows
from bothy.core.calculators.entry import Calculator

TABLE = (
    Calculator(
        "task-list",
        "build",
        task_list.TaskListIn,
        task_list.TaskListOut,
        task_list.task_list,
        {"tags": ["roof_fan", "dc_panel", "battery", "solar"], "quantities": {"roof_opening_count": 1, "solar_panel_count": 3}},
        "licensed",
    ),
    Calculator(
        "pert",
        "build",
        durations.PertIn,
        durations.PertOut,
        durations.pert,
        {"optimistic_h": 2, "likely_h": 4, "pessimistic_h": 9},
    ),
    Calculator(
        "critical-path",
        "build",
        network.CriticalPathIn,
        network.CriticalPathOut,
        network.critical_path,
        {
            "tasks": [
                {"id": "cut", "duration_h": 2},
                {"id": "paint", "duration_h": 1, "predecessors": ["cut"]},
                {"id": "fit", "duration_h": 3, "predecessors": [{"id": "paint", "lag_h": 6}]},
            ]
        },
    ),
    Calculator(
        "schedule",
        "build",
        small_schedule.ScheduleIn,
        small_schedule.ScheduleOut,
        small_schedule.schedule,
        {
            "resources": {"people": 2},
            "tasks": [
                {"id": "line", "duration_h": 4, "needs": {"people": 2}},
                {"id": "board", "duration_h": 5, "needs": {"people": 1}},
                {"id": "doors", "duration_h": 3, "needs": {"people": 1}, "predecessors": [{"id": "line", "lag_h": 6}]},
            ],
        },
        "plan",
    ),
    Calculator(
        "finish-probability",
        "build",
        pace.FinishIn,
        pace.FinishOut,
        pace.finish_probability,
        {"deadline_h": 20, "pace_factor": 1.2, "pace_sd_ln": 0.2, "tasks": [{"optimistic_h": 4, "likely_h": 6, "pessimistic_h": 14}]},
    ),
    Calculator(
        "pace-factor",
        "build",
        pace.PaceFactorIn,
        pace.PaceFactorOut,
        pace.pace_factor,
        {"logs": [{"estimate_h": 4, "actual_h": 6}, {"estimate_h": 8, "actual_h": 9}], "remaining_estimate_h": 100},
    ),
    Calculator(
        "gate-check",
        "build",
        gate.GateCheckIn,
        gate.GateCheckOut,
        gate.gate_check,
        {"zone": "wall_left", "items": [{"id": "C12", "kind": "dc_cable", "done": True, "tested": False}]},
        "licensed",
    ),
    Calculator(
        "weather-window",
        "build",
        windows.WeatherWindowIn,
        windows.WeatherWindowOut,
        windows.weather_window,
        {"duration_h": 2, "hours": [{"temp_c": 4}, {"temp_c": 8, "rain_mm": 0.4}, {"temp_c": 10}, {"temp_c": 11}, {"temp_c": 11}], "dry_after_h": 1},
    ),
    Calculator(
        "pack-round",
        "build",
        buying.PackRoundIn,
        buying.PackRoundOut,
        buying.pack_round,
        {"need": 42, "waste_frac": 0.1, "packs": [{"size": 10, "price": 14}, {"size": 50, "price": 55}]},
    ),
    Calculator(
        "cut-list",
        "build",
        buying.CutListIn,
        buying.CutListOut,
        buying.cut_list,
        {"pieces_m": [2.2, 1.4, 3.1], "stock_length_m": 5, "kerf_m": 0.003},
    ),
    Calculator(
        "order-by-date",
        "build",
        buying.OrderByIn,
        buying.OrderByOut,
        buying.order_by_date,
        {"need_by_date": "2027-04-19", "lead_time_days": 10, "today": "2027-03-25"},
    ),
)
