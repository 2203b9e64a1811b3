"""Power: the calculators of the field, in their order."""

from __future__ import annotations

from bothy.core.calculators.entry import Calculator
from bothy.core.power import bank, driving, inverter, load_budget, resting, shore, solar, station

_PANEL = {"power_w": 200, "vmp_v": 19.2, "imp_a": 10.42, "voc_v": 23.0, "isc_a": 11.1}

TABLE = (
    Calculator(
        "load-budget",
        "power",
        load_budget.LoadBudgetIn,
        load_budget.LoadBudgetOut,
        load_budget.load_budget,
        {"season": "winter", "loads": [{"id": "fridge", "power_w": 45, "duty_frac": 0.3}, {"id": "lights", "power_w": 18, "hours_per_day": 4}]},
    ),
    Calculator(
        "inverter-dc-current",
        "power",
        inverter.InverterDcCurrentIn,
        inverter.InverterDcCurrentOut,
        inverter.inverter_dc_current,
        {"ac_power_w": 2000},
    ),
    Calculator(
        "inverter-size",
        "power",
        inverter.InverterSizeIn,
        inverter.InverterSizeOut,
        inverter.inverter_size,
        {"region": "uk", "loads": [{"id": "kettle", "power_w": 1000}]},
    ),
    Calculator(
        "bank-configure",
        "power",
        bank.BankConfigureIn,
        bank.BankConfigureOut,
        bank.bank_configure,
        {"chemistry": "lifepo4", "unit_voltage_v": 12.8, "unit_charge_ah": 150, "parallel_count": 2},
    ),
    Calculator(
        "bank-size",
        "power",
        bank.BankSizeIn,
        bank.BankSizeOut,
        bank.bank_size,
        {"chemistry": "lifepo4", "daily_energy_wh": 1150},
    ),
    Calculator(
        "bank-runtime",
        "power",
        bank.BankRuntimeIn,
        bank.BankRuntimeOut,
        bank.bank_runtime,
        {"chemistry": "agm", "capacity_ah": 200, "ac_power_w": 300},
    ),
    Calculator(
        "soc-from-voltage",
        "power",
        resting.SocFromVoltageIn,
        resting.SocFromVoltageOut,
        resting.soc_from_voltage,
        {"chemistry": "lifepo4", "voltage_v": 13.2},
    ),
    Calculator(
        "power-station-check",
        "power",
        station.PowerStationCheckIn,
        station.PowerStationCheckOut,
        station.power_station_check,
        {
            "station": {"energy_wh": 1024, "dc_limit_w": 120, "inverter_limit_w": 1000, "solar_max_power_w": 220},
            "needs": {"dc_energy_wh": 260, "dc_peak_w": 70},
            "solar": {"power_w": 200, "energy_wh": 520},
        },
    ),
    Calculator(
        "solar-string",
        "power",
        solar.SolarStringIn,
        solar.SolarStringOut,
        solar.solar_string,
        {"region": "uk", "max_voltage_v": 75, "max_charge_current_a": 15, "strings": [{"panel": _PANEL, "series_count": 2}]},
    ),
    Calculator(
        "solar-yield-simple",
        "power",
        solar.SolarYieldSimpleIn,
        solar.SolarYieldSimpleOut,
        solar.solar_yield_simple,
        {"array_power_w": 400, "peak_sun_h": 2.5},
    ),
    Calculator(
        "dcdc-size",
        "power",
        driving.DcdcSizeIn,
        driving.DcdcSizeOut,
        driving.dcdc_size,
        {"chemistry": "lifepo4", "capacity_ah": 200, "alternator_rated_a": 150},
    ),
    Calculator(
        "shore-charge-time",
        "power",
        shore.ShoreChargeTimeIn,
        shore.ShoreChargeTimeOut,
        shore.shore_charge_time,
        {"region": "uk", "chemistry": "lifepo4", "capacity_ah": 200, "charger_current_a": 30},
    ),
)
