"""Gas: the calculators of the field, in their order."""

from __future__ import annotations

from bothy.core.calculators.entry import Calculator
from bothy.core.gas import boil_off, cooking, leak_test, locker, mixture
from bothy.core.gas import pipe as gas_pipe
from bothy.core.gas import use as gas_use

_GAS = (
    "A planning aid. Gas work on a live system belongs to a licensed or certified fitter. Smell gas: shut the cylinder, no switch, no "
    "flame, doors open, everybody out."
)
_LEAK = "Air, not oxygen or other gas; appliances isolated; never a flame. To be done and signed by the licensed person; a result never clears a smell of gas."
_VESSEL = "Upright, valve shut and capped in transport, in a sealed locker that drains outside. Never heat a cylinder with flame, lamp, blanket or engine air."

TABLE = (
    Calculator(
        "gas-consumption",
        "gas",
        "Gas a day",
        "How much gas do the appliances burn, and what regulator?",
        gas_use.GasConsumptionIn,
        gas_use.GasConsumptionOut,
        gas_use.gas_consumption,
        {"appliances": [{"kind": "hob_burner", "count": 2}]},
        _GAS,
    ),
    Calculator(
        "gas-autonomy",
        "gas",
        "Days of gas",
        "How long do the cylinders last?",
        gas_use.GasAutonomyIn,
        gas_use.GasAutonomyOut,
        gas_use.gas_autonomy,
        {"use_kg_day": 0.4, "vessels": [{"kind": "cylinder", "capacity_kg": 11, "tare_kg": 11.5}]},
        _VESSEL,
    ),
    Calculator(
        "vapour-pressure",
        "gas",
        "Pressure in the cold",
        "Does this gas still come out at this temperature?",
        mixture.VapourPressureIn,
        mixture.VapourPressureOut,
        mixture.vapour_pressure,
        {"gas": "butane", "temp_c": 0},
        _VESSEL,
    ),
    Calculator(
        "vaporisation-limit",
        "gas",
        "Boiling off",
        "How fast can this cylinder give gas?",
        boil_off.VaporisationLimitIn,
        boil_off.VaporisationLimitOut,
        boil_off.vaporisation_limit,
        {"cylinder_diameter_m": 0.3, "liquid_kg": 5.5, "air_temp_c": 0, "demand_kg_h": 0.5},
        _VESSEL,
    ),
    Calculator(
        "gas-pipe-drop",
        "gas",
        "One gas pipe",
        "What does this pipe take from the pressure?",
        gas_pipe.GasPipeDropIn,
        gas_pipe.GasPipeDropOut,
        gas_pipe.gas_pipe_drop,
        {"heat_input_w": 6000, "inner_diameter_mm": 8, "length_m": 3.5},
        _GAS,
    ),
    Calculator(
        "gas-pipe-size",
        "gas",
        "Gas pipes",
        "Which size keeps the pressure at every appliance?",
        gas_pipe.GasPipeSizeIn,
        gas_pipe.GasPipeSizeOut,
        gas_pipe.gas_pipe_size,
        {"segments": [{"name": "main", "length_m": 2.5}, {"name": "heater", "from": "main", "length_m": 1.5, "heat_input_w": 6000}]},
        _GAS,
    ),
    Calculator(
        "locker-vent-area",
        "gas",
        "Locker vents",
        "Are the locker's vents large enough?",
        locker.LockerVentAreaIn,
        locker.LockerVentAreaOut,
        locker.locker_vent_area,
        {"floor_length_m": 0.65, "floor_width_m": 0.35, "vents": [{"position": "low", "diameter_mm": 60, "count": 4}]},
        _GAS,
    ),
    Calculator(
        "gas-leak-test",
        "gas",
        "Leak test",
        "Is the gas line tight?",
        leak_test.GasLeakTestIn,
        leak_test.GasLeakTestOut,
        leak_test.gas_leak_test,
        {"start_mbar": 150, "end_mbar": 150, "duration_min": 5, "volume_l": 0.4},
        _LEAK,
    ),
    Calculator(
        "cooking-energy-compare",
        "gas",
        "Cooking compared",
        "What does a meal take by gas, alcohol, diesel and electricity?",
        cooking.CookingEnergyCompareIn,
        cooking.CookingEnergyCompareOut,
        cooking.cooking_energy_compare,
        {"boil_l": 1.5, "simmer_min": 12, "meals_day": 2},
        _GAS,
    ),
)
