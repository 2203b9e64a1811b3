"""Names of the places in the trip's flat arrays, so that the contract, the kernel and its C reference read them alike (method trips.run)."""

from __future__ import annotations

# plan, by day
(
    D_START,
    D_HOURS,
    D_PERSONS,
    D_REFILL_STEP,
    D_REFILLS,
    D_OUTSIDE,
    D_MAINS_FROM,
    D_MAINS_TO,
    D_MAINS_W,
    D_RH,
    D_BY_GENERATOR,
    D_CLEARNESS,
    D_AGAIN,
    D_AGAIN_HOURS,
    DAY_SIZE,
) = range(15)
"""Mains from a hook-up or a generator: from and to which hour, how much at most in W, and whether a generator makes them. Humidity outside, of the day's mean
temperature. The month's mean clearness. A second drive of the day."""
WATER, GREY_DUMP, TOILET_DUMP, GAS_FILL, DIESEL_FILL = 1, 2, 4, 8, 16
# array, by array
A_POWER, A_GAMMA, A_HEAT, A_B0, A_LOW, A_SOIL, A_LOSS, A_VIEW, A_ETA, A_MOST, A_LAST, A_STEEP, A_HELD, ARRAY_SIZE = range(14)
"""Arrays of one controller stand beside each other: its efficiency and most power in W are with each, ``A_LAST`` marks the last. ``A_STEEP``: snow slides off.
``A_HELD``: at most so much of its label at full sun, where a PWM controller holds it at the bank's voltage."""
NOT_HELD = 1e9
# everything that is one number
(
    ALBEDO,
    DCDC,
    CHARGER,
    ETA_CHARGER,
    SHORE_MOST,
    INVERTER,
    IDLE,
    ETA_INVERTER,
    ALWAYS,
    FRIDGE_W,
    FRIDGE_DUTY,
    FRIDGE_IN,
    FRIDGE_REF,
    FRIDGE_TIER,
    HEATER,
    HEATER_W,
    SET_DAY,
    SET_NIGHT,
    DAY_FROM,
    DAY_TO,
    ETA_HEATER,
    EL_LEAST,
    EL_MOST,
    HEATER_TIER,
    UA,
    C_CABIN,
    APERTURE,
    GAIN,
    PERSON,
    BANK_INSIDE,
    SOC_START,
    HAS_FRESH,
    HAS_GREY,
    HAS_TOILET,
    HAS_GAS,
    HAS_DIESEL,
    FRESH,
    GREY,
    TOILET,
    GAS,
    DIESEL,
    FRESH_DAY,
    GREY_PART,
    TOILET_DAY,
    COOK_DAY,
    SHED_1,
    SHED_2,
    SHED_3,
    BACK_1,
    BACK_2,
    BACK_3,
    HEAT_LEAST,
    START_WH,
    COOL_W,
    COOL_SET,
    COOL_EER,
    COOL_FAN,
    COOL_TIER,
    COOL_AC,
    COOL_HOSE,
    MOIST_AWAKE,
    MOIST_ASLEEP,
    MOIST_DAY,
    AIR_FLOW,
    VOLUME,
    COLD_FACE,
    BAY_B,
    HAS_BAY,
    VENT_UA,
    COOL_FROM,
    COOL_TO,
    COOL_SHORE,
    BANK_HEATER,
    BANK_HEATER_W,
    SNOW,
    SNOW_CLEARED,
    GENERATOR,
    GEN_STORE,
    GEN_IDLE,
    GEN_SLOPE,
    DCDC_BELOW,
    HOOKUP_FIRST,
) = range(82)
PLAN_SIZE = 82
OPEN_C, COOLER_K = 25.0, 1.0
"""Windows and fans are opened above this, where it is cooler outside by so much."""
NO_HEATER, BY_DIESEL, BY_GAS, BY_MAINS, BY_OTHER = 0.0, 1.0, 2.0, 3.0, 4.0
"""What the heater burns; one on the mains works only while there is a hook-up, other fuels are taken to suffice."""
NEVER_SHED = -1.0
ALWAYS_CHARGED = 2.0
"""The DC-DC charger works whenever there is driving; else only under that state of charge."""
UNHEATED, HEATED_ON_CHARGE, KEPT_WARM = 0.0, 1.0, 2.0
"""A bank's own heater: none, one that warms the cells before they are charged, one that never lets them get colder than this:"""
HEATED_C = 5.0
SNOW_LEFT, SNOW_CLEAR, SNOW_MELTS_C, SNOW_MELTS_H, NEVER_CLEARED = 0.1, 0.6, 2.0, 3.0, -1.0
"""What snow leaves of a panel's power; it falls on frosty days under this part of the usual clearness; melts above so much for so long (method trips.shade)."""
NO_LIMIT, OWN_STORE, FROM_DIESEL, FROM_GAS = 0.0, 1.0, 2.0, 3.0
"""Where a generator's fuel comes from: not limited, a can of its own (L or kg), the heater's diesel, the gas vessels. It burns ``GEN_IDLE`` an hour
and ``GEN_SLOPE`` a Wh."""
# ledger, by draw
(
    PV_AVAILABLE,
    PV_USED,
    CURTAILED,
    DCDC_USED,
    SHORE_DC,
    SHORE_AC,
    DEMAND,
    SERVED,
    SHED,
    UNSERVED,
    INVERTER_LOSS,
    BATTERY_IN,
    BATTERY_OUT,
    BATTERY_LOSS,
    SELF_LOSS,
    STORED,
    HEAT,
    HEAT_MISSING,
    FRESH_USED,
    WATER_MISSING,
    GAS_USED,
    DIESEL_USED,
    GHI,
    COOL,
    COOL_MISSING,
    HEATER_EL,
    COOLER_EL,
    GAINS,
    HEAT_OUT,
    HEAT_STORED,
    CONDENSED,
    BANK_HEAT,
    SNOW_LOST,
    GEN_FUEL,
    GEN_MADE,
) = range(35)
LEDGER_SIZE = 35
# summary, by draw
(
    SHORT_DAYS,
    LEAST_SOC,
    LEAST_CABIN,
    FIRST_ELECTRICITY,
    FIRST_FRESH,
    FIRST_GREY,
    FIRST_TOILET,
    FIRST_GAS,
    FIRST_DIESEL,
    END_SOC,
    END_FRESH,
    END_GREY,
    END_TOILET,
    END_GAS,
    END_DIESEL,
    REFUSED_COLD_H,
    FREEZE_H,
    REFUSED_HOT_H,
    LIMITED_H,
    WET_H,
    DAMP_H,
    HOT_H,
    MOST_CABIN,
    BAY_FREEZE_H,
    FIRST_BAY,
    SNOW_DAYS,
    GEN_H,
    FIRST_GEN,
    END_GEN,
    REFUSED_COLD_WH,
    LEAST_CELL,
    COLD_RUN_H,
) = range(32)
SUMMARY_SIZE = 32
DAMP_RH, HOT_C, COLD_BY_K = 0.8, 30.0, 3.0
"""``COLD_RUN_H``: the longest time in a row that it is so much colder inside than the heater is set to."""
# series, by step
(S_SOC, S_FRESH, S_GREY, S_TOILET, S_GAS, S_DIESEL, S_CABIN, S_PV, S_LOAD, S_SOURCES, S_RH, S_HEAT, S_COOL, S_GEN) = range(14)
SERIES_SIZE = 14
# events
E_DISCONNECT, E_RECONNECT, E_SHED, E_BACK = 0.0, 1.0, 2.0, 3.0
LHV_DIESEL, LHV_GAS = 9.996, 12.87
"""kWh/L and kWh/kg (method warmth.heaters)."""
TINY = 1e-6


PER_FLOW, R_V, STARTS_H = 1.2 * 1006 / 3600, 461.5, 2.0
"""W per m³/h and K; J/(kg·K); starts an hour of a heater that cycles."""
