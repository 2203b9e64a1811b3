"""Gas: the calculators of the field, in their order."""

from __future__ import annotations

from bothy.core.calculators.entry import Calculator
from bothy.core.gas import boil_off, cooking, leak_test, locker, mixture
from bothy.core.gas import pipe as gas_pipe
from bothy.core.gas import use as gas_use

TABLE = (
    Calculator(
        "gas-consumption",
        "gas",
        gas_use.GasConsumptionIn,
        gas_use.GasConsumptionOut,
        gas_use.gas_consumption,
        {"appliances": [{"kind": "hob_burner", "count": 2}]},
        "gas",
    ),
    Calculator(
        "gas-autonomy",
        "gas",
        gas_use.GasAutonomyIn,
        gas_use.GasAutonomyOut,
        gas_use.gas_autonomy,
        {"use_kg_day": 0.4, "vessels": [{"kind": "cylinder", "capacity_kg": 11, "tare_kg": 11.5}]},
        "vessel",
    ),
    Calculator(
        "vapour-pressure",
        "gas",
        mixture.VapourPressureIn,
        mixture.VapourPressureOut,
        mixture.vapour_pressure,
        {"gas": "butane", "temp_c": 0},
        "vessel",
    ),
    Calculator(
        "vaporisation-limit",
        "gas",
        boil_off.VaporisationLimitIn,
        boil_off.VaporisationLimitOut,
        boil_off.vaporisation_limit,
        {"cylinder_diameter_m": 0.3, "liquid_kg": 5.5, "air_temp_c": 0, "demand_kg_h": 0.5},
        "vessel",
    ),
    Calculator(
        "gas-pipe-drop",
        "gas",
        gas_pipe.GasPipeDropIn,
        gas_pipe.GasPipeDropOut,
        gas_pipe.gas_pipe_drop,
        {"heat_input_w": 6000, "inner_diameter_mm": 8, "length_m": 3.5},
        "gas",
    ),
    Calculator(
        "gas-pipe-size",
        "gas",
        gas_pipe.GasPipeSizeIn,
        gas_pipe.GasPipeSizeOut,
        gas_pipe.gas_pipe_size,
        {"segments": [{"name": "main", "length_m": 2.5}, {"name": "heater", "from": "main", "length_m": 1.5, "heat_input_w": 6000}]},
        "gas",
    ),
    Calculator(
        "locker-vent-area",
        "gas",
        locker.LockerVentAreaIn,
        locker.LockerVentAreaOut,
        locker.locker_vent_area,
        {"floor_length_m": 0.65, "floor_width_m": 0.35, "vents": [{"position": "low", "diameter_mm": 60, "count": 4}]},
        "gas",
    ),
    Calculator(
        "gas-leak-test",
        "gas",
        leak_test.GasLeakTestIn,
        leak_test.GasLeakTestOut,
        leak_test.gas_leak_test,
        {"start_mbar": 150, "end_mbar": 150, "duration_min": 5, "volume_l": 0.4},
        "leak",
    ),
    Calculator(
        "cooking-energy-compare",
        "gas",
        cooking.CookingEnergyCompareIn,
        cooking.CookingEnergyCompareOut,
        cooking.cooking_energy_compare,
        {"boil_l": 1.5, "simmer_min": 12, "meals_day": 2},
        "gas",
    ),
)
