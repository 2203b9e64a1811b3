"""Every calculator by name: its contract, function and place. The report uses the same functions.

A calculator is a pure function ``(input, sources) -> output``; see :mod:`bothy.core.contract`.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from bothy.core.book import Book, Written
from bothy.core.contract import BadInput, Contract, Outcome, parse
from bothy.core.gas import boil_off, cooking, leak_test, locker, mixture
from bothy.core.gas import pipe as gas_pipe
from bothy.core.gas import use as gas_use
from bothy.core.plain import check
from bothy.core.power import bank, driving, inverter, load_budget, resting, shore, solar, station
from bothy.core.proving import expected, verdict
from bothy.core.sizing import pareto
from bothy.core.sun import curved, draws, month, position
from bothy.core.trips import battery, calibrate, results, trip
from bothy.core.warmth import air, build_up, cabinet, condensation, coolant, cooling, ducts, heat_loss, heater, moisture, shell, ventilation
from bothy.core.water import accumulator, autonomy, care, crossover, demand, frost, gauge, hold_test, hot, tank, waste
from bothy.core.water import pipe as water_pipe
from bothy.core.wiring import buying, conductors, conduit, continuity, drop, fuses, leads, network, panel, short_circuit, sizing


@dataclass(frozen=True, slots=True)
class Calculator:
    """A calculator: ``name`` as it is called, field, the question it answers, contract and function."""

    name: str
    field: str
    title: str
    question: str
    input: type[Contract]
    output: type[Outcome]
    run: Callable[..., Outcome]
    example: dict[str, Any]
    caution: str = ""


_MAINS = "A design aid only. Mains work, its inspection and its certificate belong to a licensed or registered electrician."
_SHORT = "Never make this short to measure it. A tool across the posts welds fast: rings and watches off, tools insulated, posts covered."
_DEAD = "Power off, fuse out, every bank isolated, and the far ends parted again before the fuse goes in."
_FORECAST = "A forecast from approximate climate and assumed habits. Carry a plan B for heat, water and medical devices; do not stake health on it."
_ROOF = "Ladder, slippery roof, wind under lifted panels. A panel in light is live: cover it before unplugging."
_BURNER = (
    "Carbon monoxide kills without smell. Sealed combustion outside, a CO alarm tested monthly; never heat with a hob or an unflued heater, never sleep with one lit. "
    "Alarm sounds: out, doors open, burner off from outside if you can."
)
_GAS_VENT = "A design check, not a certificate: gas work, flues and vents belong to a licensed trade in many places. Never block vents in cold weather."
_HOT = "Outlet ducts reach 100 °C and more, an exhaust 300 to 500 °C, coolant 90 °C under pressure: open the cap cold."
_GLUE = "Spray foam and glues: isocyanate and solvent vapour. Mask, fresh air, no flame; fibres: gloves and mask. Look underneath before drilling."
_COOLER = "Refrigerant only by certified persons; a roof unit takes two people. Never rely on a fan or cooler for animals or children left inside."
_SCALD = "Water at 60 °C burns adult skin in 5 s, at 70 °C in 1 s, a child's in half of that: a mixer set 38 to 43 °C before every tap, tried with a thermometer. Relief valve outlet outside, never plugged."
_CHLORINE = "Gloves, eye protection, fresh air. Never mix chlorine with acid or descaler. Taps tagged “do not drink” until rinsed; by-pass carbon and UV; into a foul drain."
_AIR_TEST = "Air only up to 50 kPa, eye protection, nobody over the joints: compressed air throws fittings. Heater and accumulator isolated if rated lower."
_GAS = "A planning aid. Gas work on a live system belongs to a licensed or certified fitter. Smell gas: shut the cylinder, no switch, no flame, doors open, everybody out."
_LEAK = "Air, not oxygen or other gas; appliances isolated; never a flame. To be done and signed by the licensed person; a result never clears a smell of gas."
_VESSEL = "Upright, valve shut and capped in transport, in a sealed locker that drains outside. Never heat a cylinder with flame, lamp, blanket or engine air."
_TANK = [{"shape": "box", "length_m": 1.0, "width_m": 0.4, "height_m": 0.3}]
_PUMP = [{"flow_l_min": 0, "pressure_kpa": 260}, {"flow_l_min": 6, "pressure_kpa": 170}, {"flow_l_min": 11, "pressure_kpa": 0}]
_WALL = [{"material": "plywood", "thickness_mm": 4}, {"material": "sheep_wool", "thickness_mm": 50}, {"material": "steel_skin", "thickness_mm": 0.8}]
_PANEL = {"power_w": 200, "vmp_v": 19.2, "imp_a": 10.42, "voc_v": 23.0, "isc_a": 11.1}

CALCULATORS: dict[str, Calculator] = {
    c.name: c
    for c in (
        Calculator("load-budget", "power", "Load budget", "How much energy does a day use, when, and what is the peak?",
                   load_budget.LoadBudgetIn, load_budget.LoadBudgetOut, load_budget.load_budget,
                   {"season": "winter", "loads": [{"id": "fridge", "power_w": 45, "duty_frac": 0.3}, {"id": "lights", "power_w": 18, "hours_per_day": 4}]}),
        Calculator("inverter-dc-current", "power", "Inverter DC current", "What current does the inverter draw, and what fuse and cable carry it?",
                   inverter.InverterDcCurrentIn, inverter.InverterDcCurrentOut, inverter.inverter_dc_current, {"ac_power_w": 2000}),
        Calculator("inverter-size", "power", "Inverter size", "Which inverter runs and starts these mains loads?",
                   inverter.InverterSizeIn, inverter.InverterSizeOut, inverter.inverter_size,
                   {"region": "uk", "loads": [{"id": "kettle", "power_w": 1000}]}),
        Calculator("bank-configure", "power", "Bank from units", "What do these batteries make together, and do they share the work?",
                   bank.BankConfigureIn, bank.BankConfigureOut, bank.bank_configure,
                   {"chemistry": "lifepo4", "unit_voltage_v": 12.8, "unit_charge_ah": 150, "parallel_count": 2}),
        Calculator("bank-size", "power", "Bank size", "How large must the bank be, cold and worn?",
                   bank.BankSizeIn, bank.BankSizeOut, bank.bank_size, {"chemistry": "lifepo4", "daily_energy_wh": 1150}),
        Calculator("bank-runtime", "power", "Bank run time", "How long does the bank carry this load?",
                   bank.BankRuntimeIn, bank.BankRuntimeOut, bank.bank_runtime, {"chemistry": "agm", "capacity_ah": 200, "ac_power_w": 300}),
        Calculator("soc-from-voltage", "power", "Charge from voltage", "What does the voltage of a rested bank say of its charge?",
                   resting.SocFromVoltageIn, resting.SocFromVoltageOut, resting.soc_from_voltage, {"chemistry": "lifepo4", "voltage_v": 13.2}),
        Calculator("power-station-check", "power", "Power station", "Is an all-in-one power station enough?",
                   station.PowerStationCheckIn, station.PowerStationCheckOut, station.power_station_check,
                   {"station": {"energy_wh": 1024, "dc_limit_w": 120, "inverter_limit_w": 1000, "solar_max_power_w": 220}, "needs": {"dc_energy_wh": 260, "dc_peak_w": 70},
                    "solar": {"power_w": 200, "energy_wh": 520}}),
        Calculator("solar-string", "power", "Solar strings", "Do these panels fit this controller, on a frosty morning and in the heat?",
                   solar.SolarStringIn, solar.SolarStringOut, solar.solar_string,
                   {"region": "uk", "max_voltage_v": 75, "max_charge_current_a": 15, "strings": [{"panel": _PANEL, "series_count": 2}]}),
        Calculator("solar-yield-simple", "power", "Solar yield", "What does the array give on an average day?",
                   solar.SolarYieldSimpleIn, solar.SolarYieldSimpleOut, solar.solar_yield_simple, {"array_power_w": 400, "peak_sun_h": 2.5}),
        Calculator("dcdc-size", "power", "Driving charge", "Which DC-DC charger do alternator, cable and bank allow?",
                   driving.DcdcSizeIn, driving.DcdcSizeOut, driving.dcdc_size,
                   {"chemistry": "lifepo4", "capacity_ah": 200, "alternator_rated_a": 150}),
        Calculator("shore-charge-time", "power", "Shore charging", "How long does charging take, and what limits it?",
                   shore.ShoreChargeTimeIn, shore.ShoreChargeTimeOut, shore.shore_charge_time,
                   {"region": "uk", "chemistry": "lifepo4", "capacity_ah": 200, "charger_current_a": 30}),
        Calculator("conductor-resistance", "wiring", "Conductor resistance", "What resistance and mass has this run of cable?",
                   conductors.ConductorResistanceIn, conductors.ConductorResistanceOut, conductors.conductor_resistance,
                   {"area_mm2": 6, "length_m": 4, "conductors_count": 2}),
        Calculator("conductor-ampacity", "wiring", "Conductor ampacity", "What current does this cable carry for ever, on its route?",
                   conductors.ConductorAmpacityIn, conductors.ConductorAmpacityOut, conductors.conductor_ampacity,
                   {"area_mm2": 6, "bundled_count": 3}),
        Calculator("voltage-drop", "wiring", "Voltage drop", "What arrives at the end of this cable?",
                   drop.VoltageDropIn, drop.VoltageDropOut, drop.voltage_drop_of, {"area_mm2": 2.5, "length_m": 5, "current_a": 6}),
        Calculator("wire-size", "wiring", "Wire size", "Which cable does this circuit need?",
                   sizing.WireSizeIn, sizing.WireSizeOut, sizing.wire_size, {"current_a": 6, "length_m": 6.5}),
        Calculator("circuit-split", "wiring", "One circuit or several", "Do these loads fit on one cable, and if not, on how many?",
                   sizing.CircuitSplitIn, sizing.CircuitSplitOut, sizing.circuit_split,
                   {"cable_ampacity_a": 16, "fuse_a": 10, "loads": [{"id": "lights", "current_a": 3}, {"id": "sockets", "current_a": 7}]}),
        Calculator("fuse-select", "wiring", "Fuse window", "Which fuse carries the load and still protects the cable?",
                   fuses.FuseSelectIn, fuses.FuseSelectOut, fuses.fuse_select, {"continuous_current_a": 8, "cable_ampacity_a": 30}),
        Calculator("short-circuit-current", "wiring", "Short-circuit current", "What flows in a dead short, what breaks it, and does the cable stand it?",
                   short_circuit.ShortCircuitCurrentIn, short_circuit.ShortCircuitCurrentOut, short_circuit.short_circuit_current,
                   {"voltage_v": 13.4, "chemistry": "lifepo4", "capacity_ah": 280, "length_m": 0.3, "area_mm2": 70}, _SHORT),
        Calculator("dc-network", "wiring", "DC network", "What voltage arrives everywhere when everything runs at once?",
                   network.DcNetworkIn, network.DcNetworkOut, network.dc_network,
                   {"sources": [{"node": "bank", "voltage_v": 12.8, "resistance_mohm": 3}],
                    "branches": [{"id": "feed", "from": "bank", "to": "board", "area_mm2": 16, "length_m": 2},
                                 {"id": "pump", "from": "board", "to": "pump", "area_mm2": 2.5, "length_m": 4}],
                    "loads": [{"id": "pump", "node": "pump", "power_w": 90}]}),
        Calculator("conduit-fill", "wiring", "Conduit fill", "Do these cables fit this pipe, and which one would be right?",
                   conduit.ConduitFillIn, conduit.ConduitFillOut, conduit.conduit_fill,
                   {"inner_diameter_mm": 17, "cables": [{"area_mm2": 2.5, "count": 6}]}),
        Calculator("switch-panel-layout", "wiring", "Switch panel", "Does everything fit the plate, and are its switches strong enough?",
                   panel.SwitchPanelLayoutIn, panel.SwitchPanelLayoutOut, panel.switch_panel_layout,
                   {"width_mm": 120, "height_mm": 80, "items": [{"id": "switch", "shape": "circle", "x_mm": 40, "y_mm": 40, "diameter_mm": 20}]}),
        Calculator("ac-lead-chain", "wiring", "Mains leads", "Which stock leads reach every place, and do breaker and voltage allow it?",
                   leads.AcLeadChainIn, leads.AcLeadChainOut, leads.ac_lead_chain,
                   {"region": "uk", "breaker_a": 10, "area_mm2": 1.5, "legs": [{"id": "kitchen", "length_m": 2.6, "load_w": 1000}],
                    "stock": [{"length_m": 2, "cost": 10}, {"length_m": 3, "cost": 12}]}, _MAINS),
        Calculator("spare-fuse-kit", "wiring", "Spare fuses", "Which spare fuses belong in the vehicle?",
                   buying.SpareFuseKitIn, buying.SpareFuseKitOut, buying.spare_fuse_kit,
                   {"fuses": [{"family": "blade_standard", "rating_a": 10, "count": 6}]}),
        Calculator("cable-purchase", "wiring", "Cable to buy", "How many packs of each size and colour, without joints?",
                   buying.CablePurchaseIn, buying.CablePurchaseOut, buying.cable_purchase,
                   {"runs": [{"id": "A1", "size": "2.5", "colour": "red", "length_m": 4.2}]}),
        Calculator("loop-continuity", "wiring", "Loop test", "What should the ohm-meter read before power comes on?",
                   continuity.LoopContinuityIn, continuity.LoopContinuityOut, continuity.loop_continuity,
                   {"circuits": [{"id": "A1", "area_mm2": 2.5, "length_m": 5, "current_a": 6}]}, _DEAD),
        Calculator("sun-position", "sun", "Sun position", "Where does the sun stand at this moment?",
                   position.SunPositionIn, position.SunPositionOut, position.sun_position, {"time_utc": "2026-06-21T12:00:00Z", "lat_deg": 51.5, "lon_deg": -0.13}),
        Calculator("clear-sky-day", "sun", "Cloudless day", "How much light does a day without a cloud bring?",
                   position.ClearSkyDayIn, position.ClearSkyDayOut, position.clear_sky_day, {"date": "2026-06-21", "lat_deg": 51.5, "lon_deg": -0.13}),
        Calculator("peak-sun-hours", "sun", "Peak sun hours", "How much sun does a month bring, and which tilt is best?",
                   month.PeakSunHoursIn, month.PeakSunHoursOut, month.peak_sun_hours, {"place": "edinburgh", "month": 12}),
        Calculator("panel-day-yield", "sun", "Panel yield", "What do these panels give on a dull, a mean and a clear day of the month?",
                   month.PanelDayYieldIn, month.PanelDayYieldOut, month.panel_day_yield, {"place": "edinburgh", "month": 12, "power_stc_w": 400}, _ROOF),
        Calculator("curved-panel-factor", "sun", "Panel on a curved roof", "What does a bent panel lose?",
                   curved.CurvedPanelFactorIn, curved.CurvedPanelFactorOut, curved.curved_panel_factor,
                   {"panel_width_m": 1.1, "roof_radius_m": 3, "sun_elevation_deg": 20, "sun_azimuth_deg": 180, "heading_deg": 90, "dni_w_m2": 700, "dhi_w_m2": 60}),
        Calculator("weather-draw", "sun", "Drawn weather", "Which days might this month bring?",
                   draws.WeatherDrawIn, draws.WeatherDrawOut, draws.weather_draw, {"place": "edinburgh", "month": 6, "days": 7, "seed": 1}, _FORECAST),
        Calculator("step-battery", "trips", "Battery, one step", "What does the bank take or give over a step, cold or nearly full?",
                   battery.StepBatteryIn, battery.StepBatteryOut, battery.step_battery,
                   {"bank": {"chemistry": "lifepo4", "capacity_ah": 200}, "soc_frac": 0.5, "charge_power_w": 300, "load_power_w": 50}),
        Calculator("simulate-simple", "trips", "Battery over days", "How does the bank fare with one charge a day?",
                   battery.SimulateSimpleIn, battery.SimulateSimpleOut, battery.simulate_simple,
                   {"bank": {"chemistry": "lifepo4", "capacity_ah": 100}, "load_power_w": 45, "charge_power_w": 300, "charge_duration_h": 4, "days": 2, "step_min": 60}),
        Calculator("simulate-trip", "trips", "A trip", "What runs out first on this trip, and how likely is it?",
                   trip.SimulateTripIn, results.SimulateTripOut, results.simulate_trip,
                   {"start_date": "2026-10-10", "days": [{"place": "munich", "count": 5}], "pv": {"arrays": [{"power_stc_w": 200}]},
                    "bank": {"chemistry": "lifepo4", "capacity_ah": 100}, "loads": [{"power_w": 20}], "fridge": {}}, _FORECAST),
        Calculator("calibrate-loads", "trips", "Loads from a log", "What do base load and fridge really draw?",
                   calibrate.CalibrateLoadsIn, calibrate.CalibrateLoadsOut, calibrate.calibrate_loads,
                   {"load_power_w": [20, 24, 31, 18], "cabin_temp_c": [15, 19, 26, 12]}),
        Calculator("pareto-front", "sizing", "Best designs", "Which designs does no other beat in cost, mass and reliability?",
                   pareto.ParetoFrontIn, pareto.ParetoFrontOut, pareto.pareto_front,
                   {"designs": [{"id": "one", "cost": 900, "mass_kg": 40, "lolp_frac": 0.2}, {"id": "two", "cost": 1200, "mass_kg": 38, "lolp_frac": 0.1}]}),
        Calculator("shell-area", "warmth", "Shell", "How large is every inside surface, and how much air is there?",
                   shell.ShellAreaIn, shell.ShellAreaOut, shell.shell_area, {"preset": "large_van", "openings": [{"on": "left", "area_m2": 0.4}]}),
        Calculator("u-value", "warmth", "Build-up", "What does this wall let through, ribs and gaps counted?",
                   build_up.UValueIn, build_up.UValueOut, build_up.u_value, {"layers": _WALL}, _GLUE),
        Calculator("heat-loss", "warmth", "Heat loss", "Where does the heat go, and how much?",
                   heat_loss.HeatLossIn, heat_loss.HeatLossOut, heat_loss.heat_loss,
                   {"outdoor_temp_c": -5, "volume_m3": 12, "surfaces": [{"name": "walls", "area_m2": 20, "u_value_w_m2k": 0.9}, {"name": "glass", "area_m2": 2.5, "u_value_w_m2k": 5.6}]}),
        Calculator("buffer-temp", "warmth", "Space between", "Does a cab, garage or tank bay freeze?",
                   heat_loss.BufferTempIn, heat_loss.BufferTempOut, heat_loss.buffer_temp, {"outdoor_temp_c": -8, "ua_to_living_w_k": 3, "ua_to_outside_w_k": 6}),
        Calculator("warm-up-time", "warmth", "Warming up", "How long until it is warm, and how long does it stay so?",
                   heat_loss.WarmUpTimeIn, heat_loss.WarmUpTimeOut, heat_loss.warm_up_time,
                   {"ua_w_k": 50, "power_w": 2000, "start_temp_c": 0, "outdoor_temp_c": 0, "volume_m3": 12, "contents": [{"name": "lining", "mass_kg": 180, "specific_heat_j_kgk": 1600}]}),
        Calculator("dew-point", "warmth", "Dew point", "At which temperature does this air get wet?",
                   air.DewPointIn, air.DewPointOut, air.dew_point_of, {"temp_c": 18, "rh_frac": 0.6}),
        Calculator("condensation-check", "warmth", "Damp in the wall", "Does water gather on or inside this wall?",
                   condensation.CondensationCheckIn, condensation.CondensationCheckOut, condensation.condensation_check, {"outdoor_temp_c": -5, "indoor_rh_frac": 0.6, "layers": _WALL}),
        Calculator("moisture-balance", "warmth", "Damp in the room", "How damp does it get, and how much air keeps it dry?",
                   moisture.MoistureBalanceIn, moisture.MoistureBalanceOut, moisture.moisture_balance,
                   {"outdoor_temp_c": 4, "flow_m3_h": 20, "sources": [{"kind": "person_asleep", "count": 2}]}),
        Calculator("vent-rate", "warmth", "Air through", "How much air do this fan or these vents move, and what builds up in it?",
                   ventilation.VentRateIn, ventilation.VentRateOut, ventilation.vent_rate, {"mode": "given", "volume_m3": 12, "flow_m3_h": 25, "people_count": 2}, _BURNER),
        Calculator("gas-vent-area", "warmth", "Fixed vents", "Which vents do the gas appliances need?",
                   ventilation.GasVentAreaIn, ventilation.GasVentAreaOut, ventilation.gas_vent_area, {"floor_area_m2": 7, "unflued_input_w": 4000}, _GAS_VENT),
        Calculator("heater-size", "warmth", "Heater size", "Does this heater hold the coldest day without idling on a mild one?",
                   heater.HeaterSizeIn, heater.HeaterSizeOut, heater.heater_size, {"ua_w_k": 50, "design_outdoor_temp_c": -8, "heater_max_w": 2000, "heater_min_w": 900}, _BURNER),
        Calculator("heater-fuel", "warmth", "Heater fuel", "What does it burn and draw, and how long does the tank last?",
                   heater.HeaterFuelIn, heater.HeaterFuelOut, heater.heater_fuel, {"fuel": "diesel", "heat_w": 1000, "tank_volume_l": 10}, _BURNER),
        Calculator("duct-run", "warmth", "One duct", "What arrives at the end of this duct?",
                   ducts.DuctRunIn, ducts.DuctRunOut, ducts.duct_run, {"diameter_mm": 75, "length_m": 3, "flow_m3_h": 60, "supply_temp_c": 90}, _HOT),
        Calculator("duct-network", "warmth", "Ducts together", "How does the heater's air divide, and who stays cold?",
                   ducts.DuctNetworkIn, ducts.DuctNetworkOut, ducts.duct_network,
                   {"fan_pressure_max_pa": 200, "fan_flow_max_m3_h": 150, "heater_power_w": 2000, "runs": [{"name": "cab", "diameter_mm": 60, "length_m": 3, "need_w": 700}, {"name": "rear", "diameter_mm": 60, "length_m": 2, "need_w": 600}]}, _HOT),
        Calculator("outlet-assignment", "warmth", "Which outlet where", "Which of the heater's outlets should feed which run?",
                   ducts.OutletAssignmentIn, ducts.OutletAssignmentOut, ducts.outlet_assignment, {"costs": [[200, 50], [120, 90]]}),
        Calculator("heat-exchanger", "warmth", "Plate exchanger", "How warm does the water come out?",
                   coolant.HeatExchangerIn, coolant.HeatExchangerOut, coolant.heat_exchanger,
                   {"hot_in_temp_c": 75, "hot_flow_l_min": 8, "cold_in_temp_c": 10, "cold_flow_l_min": 4, "ua_w_k": 500, "source_power_w": 5000}, _HOT),
        Calculator("hydronic-loop", "warmth", "Coolant loop", "Does the pump push enough through this loop?",
                   coolant.HydronicLoopIn, coolant.HydronicLoopOut, coolant.hydronic_loop, {"heat_w": 3000, "pipe_length_m": 12, "pump_head_max_m": 2, "pump_flow_max_l_min": 15}, _HOT),
        Calculator("cooling-load", "warmth", "Cooling load", "What must a cooler take away, and how hot is it without one?",
                   cooling.CoolingLoadIn, cooling.CoolingLoadOut, cooling.cooling_load,
                   {"outdoor_temp_c": 35, "flow_m3_h": 20, "opaque": [{"name": "roof", "area_m2": 5, "u_value_w_m2k": 0.8, "irradiance_w_m2": 950, "horizontal": True}]}, _COOLER),
        Calculator("ac-battery-hours", "warmth", "Cooler on the bank", "How long does the bank carry an air conditioner?",
                   cooling.AcBatteryHoursIn, cooling.AcBatteryHoursOut, cooling.ac_battery_hours, {"cooling_load_w": 900, "capacity_w": 2000, "supply": "native_12v", "battery_energy_wh": 3600}, _COOLER),
        Calculator("cabinet-vent", "warmth", "Hot cabinet", "Which vents keep a fridge or inverter cool enough?",
                   cabinet.CabinetVentIn, cabinet.CabinetVentOut, cabinet.cabinet_vent, {"heat_w": 80}),
        Calculator("water-demand", "water", "Water a day", "How many litres a day, and how much waste comes back?",
                   demand.WaterDemandIn, demand.WaterDemandOut, demand.water_demand, {"persons_count": 2}),
        Calculator("water-autonomy", "water", "Days of water", "Which store ends the stay first?",
                   autonomy.WaterAutonomyIn, autonomy.WaterAutonomyOut, autonomy.water_autonomy,
                   {"stores": [{"name": "fresh", "capacity_l": 100, "flow_l_day": 40}, {"name": "grey", "capacity_l": 70, "flow_l_day": 33}]}),
        Calculator("tank-volume", "water", "Tank", "How much does this shape hold, over the outlet, and where is its mass?",
                   tank.TankVolumeIn, tank.TankVolumeOut, tank.tank_volume, {"prisms": _TANK, "outlet_z_m": 0.02}),
        Calculator("gauge-calibration", "water", "Gauge", "What does the sender say at each fill?",
                   gauge.GaugeCalibrationIn, gauge.GaugeCalibrationOut, gauge.gauge_calibration,
                   {"prisms": _TANK, "sender_type": "resistive", "empty_signal": 0, "full_signal": 190, "sender_empty_z_m": 0.03}),
        Calculator("tank-crossover", "water", "Joined tanks", "Where do joined tanks settle, and what stays behind?",
                   crossover.TankCrossoverIn, crossover.TankCrossoverOut, crossover.tank_crossover,
                   {"crossover_z_m": 0.05, "inner_diameter_mm": 25, "length_m": 1.5, "draw_flow_l_min": 10,
                    "tanks": [{"area_m2": 0.25, "floor_z_m": 0, "height_m": 0.4, "level_z_m": 0.38}, {"area_m2": 0.15, "floor_z_m": 0, "height_m": 0.45, "level_z_m": 0.02}]}),
        Calculator("pipe-pressure-loss", "water", "One pipe", "What does this run of pipe take from the pressure?",
                   water_pipe.PipePressureLossIn, water_pipe.PipePressureLossOut, water_pipe.pipe_pressure_loss,
                   {"flow_l_min": 8, "inner_diameter_mm": 11.6, "length_m": 5, "fittings": {"elbow_90": 4}, "rise_m": 1.2}),
        Calculator("tap-flow", "water", "Flow at the taps", "What comes out of each tap that is open?",
                   water_pipe.TapFlowIn, water_pipe.TapFlowOut, water_pipe.tap_flow,
                   {"pump_points": _PUMP, "supply": {"inner_diameter_mm": 11.6, "length_m": 3}, "outlets": [{"name": "shower", "inner_diameter_mm": 11.6, "length_m": 2, "rise_m": 1.2, "rated_flow_l_min": 6, "rated_kpa": 60}]}),
        Calculator("accumulator-size", "water", "Accumulator", "How often does the pump start?",
                   accumulator.AccumulatorSizeIn, accumulator.AccumulatorSizeOut, accumulator.accumulator_size,
                   {"cut_in_kpa": 140, "cut_out_kpa": 240, "accumulator_l": 1, "draw_flow_l_min": 3, "pump_flow_l_min": 9}),
        Calculator("instant-heat", "water", "Instant hot water", "What heat does a warm shower take as it flows?",
                   hot.InstantHeatIn, hot.InstantHeatOut, hot.instant_heat, {"solve_for": "heat", "flow_l_min": 5, "outlet_temp_c": 40}, _SCALD),
        Calculator("storage-heat-time", "water", "Stored hot water", "How long does the boiler take, and what does it cost?",
                   hot.StorageHeatTimeIn, hot.StorageHeatTimeOut, hot.storage_heat_time, {"volume_l": 10, "heat_w": 800, "supply": "inverter"}, _SCALD),
        Calculator("mixed-water", "water", "Mixed water", "How long a shower does the boiler give?",
                   hot.MixedWaterIn, hot.MixedWaterOut, hot.mixed_water, {"hot_volume_l": 10, "hot_temp_c": 65}, _SCALD),
        Calculator("sanitise-dose", "water", "Sanitising", "How much chlorine, how long, how many rinses?",
                   care.SanitiseDoseIn, care.SanitiseDoseOut, care.sanitise_dose, {"system_volume_l": 105, "product_type": "liquid", "strength_frac": 0.045}, _CHLORINE),
        Calculator("filter-life", "water", "Filters", "When is each filter used up, and what does it take from the pressure?",
                   care.FilterLifeIn, care.FilterLifeOut, care.filter_life, {"flow_l_day": 40, "filters": [{"name": "carbon", "rated_l": 5000, "rated_flow_l_min": 4, "clean_kpa": 20}]}),
        Calculator("pressure-hold-test", "water", "Pressure test", "Do the lines hold?",
                   hold_test.PressureHoldTestIn, hold_test.PressureHoldTestOut, hold_test.pressure_hold_test, {"medium": "water", "start_kpa": 350, "end_kpa": 342, "duration_min": 60}, _AIR_TEST),
        Calculator("drain-time", "water", "Draining", "How long does the tank take to run out?",
                   waste.DrainTimeIn, waste.DrainTimeOut, waste.drain_time, {"area_m2": 0.2, "level_m": 0.35, "inner_diameter_mm": 25}),
        Calculator("freeze-hold", "water", "Frost", "How long until it freezes, and what holds it?",
                   frost.FreezeHoldIn, frost.FreezeHoldOut, frost.freeze_hold, {"volume_l": 70, "outside_temp_c": -12, "loss_w_k": 2.5}),
        Calculator("gas-consumption", "gas", "Gas a day", "How much gas do the appliances burn, and what regulator?",
                   gas_use.GasConsumptionIn, gas_use.GasConsumptionOut, gas_use.gas_consumption, {"appliances": [{"kind": "hob_burner", "count": 2}]}, _GAS),
        Calculator("gas-autonomy", "gas", "Days of gas", "How long do the cylinders last?",
                   gas_use.GasAutonomyIn, gas_use.GasAutonomyOut, gas_use.gas_autonomy, {"use_kg_day": 0.4, "vessels": [{"kind": "cylinder", "capacity_kg": 11, "tare_kg": 11.5}]}, _VESSEL),
        Calculator("vapour-pressure", "gas", "Pressure in the cold", "Does this gas still come out at this temperature?",
                   mixture.VapourPressureIn, mixture.VapourPressureOut, mixture.vapour_pressure, {"gas": "butane", "temp_c": 0}, _VESSEL),
        Calculator("vaporisation-limit", "gas", "Boiling off", "How fast can this cylinder give gas?",
                   boil_off.VaporisationLimitIn, boil_off.VaporisationLimitOut, boil_off.vaporisation_limit, {"cylinder_diameter_m": 0.3, "liquid_kg": 5.5, "air_temp_c": 0, "demand_kg_h": 0.5}, _VESSEL),
        Calculator("gas-pipe-drop", "gas", "One gas pipe", "What does this pipe take from the pressure?",
                   gas_pipe.GasPipeDropIn, gas_pipe.GasPipeDropOut, gas_pipe.gas_pipe_drop, {"heat_input_w": 6000, "inner_diameter_mm": 8, "length_m": 3.5}, _GAS),
        Calculator("gas-pipe-size", "gas", "Gas pipes", "Which size keeps the pressure at every appliance?",
                   gas_pipe.GasPipeSizeIn, gas_pipe.GasPipeSizeOut, gas_pipe.gas_pipe_size,
                   {"segments": [{"name": "main", "length_m": 2.5}, {"name": "heater", "from": "main", "length_m": 1.5, "heat_input_w": 6000}]}, _GAS),
        Calculator("locker-vent-area", "gas", "Locker vents", "Are the locker's vents large enough?",
                   locker.LockerVentAreaIn, locker.LockerVentAreaOut, locker.locker_vent_area,
                   {"floor_length_m": 0.65, "floor_width_m": 0.35, "vents": [{"position": "low", "diameter_mm": 60, "count": 4}]}, _GAS),
        Calculator("gas-leak-test", "gas", "Leak test", "Is the gas line tight?",
                   leak_test.GasLeakTestIn, leak_test.GasLeakTestOut, leak_test.gas_leak_test, {"start_mbar": 150, "end_mbar": 150, "duration_min": 5, "volume_l": 0.4}, _LEAK),
        Calculator("cooking-energy-compare", "gas", "Cooking compared", "What does a meal take by gas, alcohol, diesel and electricity?",
                   cooking.CookingEnergyCompareIn, cooking.CookingEnergyCompareOut, cooking.cooking_energy_compare, {"boil_l": 1.5, "simmer_min": 12, "meals_day": 2}, _GAS),
        Calculator("expected-circuit-current", "proving", "Expected current", "What should the ammeter read on this circuit?",
                   expected.ExpectedCircuitCurrentIn, expected.ExpectedCircuitCurrentOut, expected.expected_circuit_current,
                   {"supply_voltage_v": 13.2, "loads": [{"kind": "constant_power", "power_w": 48}]}),
        Calculator("expected-load-voltage", "proving", "Expected voltage", "What should the voltmeter read at the load?",
                   expected.ExpectedLoadVoltageIn, expected.ExpectedLoadVoltageOut, expected.expected_load_voltage,
                   {"source_voltage_v": 13.2, "loop_resistance_mohm": 48, "kind": "constant_power", "power_w": 60}),
        Calculator("verdict", "proving", "Verdict on a reading", "Does this reading pass, with this meter?",
                   verdict.VerdictIn, verdict.VerdictOut, verdict.verdict,
                   {"measured": 4.75, "expected": 5, "tolerance_frac": 0.1, "accuracy_frac": 0.02, "digits_count": 3, "resolution": 0.01}),
    )
}  # fmt: skip


def plain_answer(name: str, data: Any) -> dict[str, Any]:
    """A calculator's output as plain data. Raises :class:`BadInput`."""
    return calculate(name, data).dump()


def worked_answer(name: str, data: Any) -> tuple[dict[str, Any], Written]:
    """A calculator's output as plain data, and the working of each figure of it. Raises :class:`BadInput`."""
    out, book = calculate(name, data), Book()
    for key, figure in out.working.items():
        book.put(key, figure)
    return out.dump(), book.all_workings()


def calculate(name: str, data: Any) -> Outcome:
    """Run a calculator on raw JSON data. Raises :class:`BadInput` that names the key."""
    calculator = CALCULATORS.get(name)
    if calculator is None:
        raise BadInput("calc", f"'{name}' is not a calculator; the names are {', '.join(CALCULATORS)}")
    if isinstance(data, dict):
        check(data, least=0.0)
    return calculator.run(parse(calculator.input, data))
