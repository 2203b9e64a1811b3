"""Sun, trips and sizing: the calculators of the field, in their order."""

from __future__ import annotations

from bothy.core.calculators.entry import Calculator
from bothy.core.sizing import pareto
from bothy.core.sun import curved, draws, month, position
from bothy.core.trips import battery, calibrate, results, trip

TABLE = (
    Calculator(
        "sun-position",
        "sun",
        position.SunPositionIn,
        position.SunPositionOut,
        position.sun_position,
        {"time_utc": "2026-06-21T12:00:00Z", "lat_deg": 51.5, "lon_deg": -0.13},
    ),
    Calculator(
        "clear-sky-day",
        "sun",
        position.ClearSkyDayIn,
        position.ClearSkyDayOut,
        position.clear_sky_day,
        {"date": "2026-06-21", "lat_deg": 51.5, "lon_deg": -0.13},
    ),
    Calculator(
        "peak-sun-hours",
        "sun",
        month.PeakSunHoursIn,
        month.PeakSunHoursOut,
        month.peak_sun_hours,
        {"place": "edinburgh", "month": 12},
    ),
    Calculator(
        "panel-day-yield",
        "sun",
        month.PanelDayYieldIn,
        month.PanelDayYieldOut,
        month.panel_day_yield,
        {"place": "edinburgh", "month": 12, "power_stc_w": 400},
        "trips-roof",
    ),
    Calculator(
        "curved-panel-factor",
        "sun",
        curved.CurvedPanelFactorIn,
        curved.CurvedPanelFactorOut,
        curved.curved_panel_factor,
        {"panel_width_m": 1.1, "roof_radius_m": 3, "sun_elevation_deg": 20, "sun_azimuth_deg": 180, "heading_deg": 90, "dni_w_m2": 700, "dhi_w_m2": 60},
    ),
    Calculator(
        "weather-draw",
        "sun",
        draws.WeatherDrawIn,
        draws.WeatherDrawOut,
        draws.weather_draw,
        {"place": "edinburgh", "month": 6, "days": 7, "seed": 1},
        "forecast",
    ),
    Calculator(
        "step-battery",
        "trips",
        battery.StepBatteryIn,
        battery.StepBatteryOut,
        battery.step_battery,
        {"bank": {"chemistry": "lifepo4", "capacity_ah": 200}, "soc_frac": 0.5, "charge_power_w": 300, "load_power_w": 50},
    ),
    Calculator(
        "simulate-simple",
        "trips",
        battery.SimulateSimpleIn,
        battery.SimulateSimpleOut,
        battery.simulate_simple,
        {
            "bank": {"chemistry": "lifepo4", "capacity_ah": 100},
            "load_power_w": 45,
            "charge_power_w": 300,
            "charge_duration_h": 4,
            "days": 2,
            "step_min": 60,
        },
    ),
    Calculator(
        "simulate-trip",
        "trips",
        trip.SimulateTripIn,
        results.SimulateTripOut,
        results.simulate_trip,
        {
            "start_date": "2026-10-10",
            "days": [{"place": "munich", "count": 5}],
            "pv": {"arrays": [{"power_stc_w": 200}]},
            "bank": {"chemistry": "lifepo4", "capacity_ah": 100},
            "loads": [{"power_w": 20}],
            "fridge": {},
        },
        "forecast",
    ),
    Calculator(
        "calibrate-loads",
        "trips",
        calibrate.CalibrateLoadsIn,
        calibrate.CalibrateLoadsOut,
        calibrate.calibrate_loads,
        {"load_power_w": [20, 24, 31, 18], "cabin_temp_c": [15, 19, 26, 12]},
    ),
    Calculator(
        "pareto-front",
        "sizing",
        pareto.ParetoFrontIn,
        pareto.ParetoFrontOut,
        pareto.pareto_front,
        {"designs": [{"id": "one", "cost": 900, "mass_kg": 40, "lolp_frac": 0.2}, {"id": "two", "cost": 1200, "mass_kg": 38, "lolp_frac": 0.1}]},
    ),
)
