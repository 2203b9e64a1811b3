"""The coupled trip, compiled: every draw, day and step with sun, bank, loads, heat, water and fuel (method trips.run).

No randomness and no objects in here: plain arrays in, sums and series out. Draws are independent, so that blocks of them may run beside each
other and give the same numbers in any order. Flat arrays have named places, so that the contract and the C reference read them alike.
"""

from __future__ import annotations

import math

import numpy as np
from numba import njit

from bothy.core.sun.geometry import Array
from bothy.core.trips import cells as c

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


@njit(cache=True, nogil=True)
def saturation(temp_c: float) -> float:
    """Saturation pressure in Pa (method warmth.air)."""
    if temp_c >= 0:
        return 611.2 * math.exp(17.62 * temp_c / (243.12 + temp_c))
    return 611.2 * math.exp(22.46 * temp_c / (272.62 + temp_c))


@njit(cache=True, nogil=True)
def fridge_ratio(temp_c: float, inside_c: float, reference_c: float) -> float:
    """How hard the fridge works against its reference temperature."""
    return max(0.0, temp_c - inside_c) / (reference_c - inside_c) * max(0.5, 1 + 0.02 * (temp_c - reference_c))


@njit(cache=True, nogil=True)
def run(
    first_draw: int,
    last_draw: int,
    dt: float,
    days: Array,
    hours: Array,
    cos_z: Array,
    unit: Array,
    swing_at: Array,
    planes: Array,
    heads: Array,
    sky: Array,
    ground: Array,
    on: Array,
    arrays: Array,
    shade: Array,
    clear: Array,
    diffuse: Array,
    mean_c: Array,
    swing_c: Array,
    dc: Array,
    ac: Array,
    plan: Array,
    bank: Array,
    ledger: Array,
    summary: Array,
    short_day: Array,
    events: Array,
    event_count: Array,
    series: Array,
) -> None:
    """Simulate draws ``first_draw`` to ``last_draw`` (excluded); the last six arrays are filled.

    ``cos_z``, ``unit``, ``swing_at`` are by day and step; ``planes`` (cosine of incidence) by day, step and heading of an array, ``heads`` says which
    headings are whose; ``sky``, ``ground``, ``on`` by day, step and array; ``clear``, ``diffuse``, ``mean_c``, ``swing_c`` by draw and day; loads by day,
    step and tier in W. ``series`` is of this block's draws; it may have none: then nothing is kept.
    """
    day_count, steps = cos_z.shape
    array_count = arrays.shape[0]
    nominal = bank[c.E_NOM]
    keep_shut, keep_open = math.exp(-plan[UA] * dt / plan[C_CABIN]), math.exp(-(plan[UA] + plan[VENT_UA]) * dt / plan[C_CABIN])
    shed_at = plan[SHED_1 : SHED_3 + 1]
    back_at = plan[BACK_1 : BACK_3 + 1]
    off = np.zeros(3, dtype=np.bool_)
    for d in range(first_draw, last_draw):
        e = plan[SOC_START] * nominal
        out0 = mean_c[d, 0] + swing_c[d, 0] / 2 * swing_at[0, 0]
        cabin = plan[SET_NIGHT] if plan[HEATER] != NO_HEATER and days[0, D_PERSONS] > 0 else out0
        cell = cabin if plan[BANK_INSIDE] != 0 else out0
        if plan[BANK_HEATER] == KEPT_WARM:
            cell = max(cell, HEATED_C)
        fresh, grey, toilet, gas, diesel, can = plan[FRESH], 0.0, 0.0, plan[GAS], plan[DIESEL], plan[GEN_STORE]
        snow_flat, snow_steep, mild_h = False, False, 0.0
        off[:] = False
        open_ = False
        least_soc, least_cabin, most_cabin, least_cell, cold_h = 2.0, 1e9, -1e9, 1e9, 0.0
        damp = days[0, D_RH] * saturation(mean_c[d, 0])
        summary[d, FIRST_BAY] = summary[d, FIRST_GEN] = -1.0
        for k in range(FIRST_ELECTRICITY, FIRST_DIESEL + 1):
            summary[d, k] = -1.0
        n_events = 0
        for j in range(day_count):
            persons = days[j, D_PERSONS]
            short_today = False
            g0n = days[j, D_OUTSIDE]
            day_damp = days[j, D_RH] * saturation(mean_c[d, j])
            snowed = False
            if plan[SNOW] != 0:
                if mean_c[d, j] < 0 and clear[d, j] < SNOW_CLEAR * days[j, D_CLEARNESS]:
                    snow_flat = snow_steep = True
                    mild_h = 0.0
                elif clear[d, j] > days[j, D_CLEARNESS]:
                    snow_steep = False
            for i in range(steps):
                h = hours[i]
                driving = days[j, D_START] <= h < days[j, D_START] + days[j, D_HOURS] or days[j, D_AGAIN] <= h < days[j, D_AGAIN] + days[j, D_AGAIN_HOURS]
                shore = days[j, D_MAINS_FROM] <= h < days[j, D_MAINS_TO] and not driving
                generating = shore and days[j, D_BY_GENERATOR] != 0
                mains_most = days[j, D_MAINS_W]
                if i == int(days[j, D_REFILL_STEP]):
                    bits = int(days[j, D_REFILLS])
                    if bits & WATER:
                        fresh = plan[FRESH]
                    if bits & GREY_DUMP:
                        grey = 0.0
                    if bits & TOILET_DUMP:
                        toilet = 0.0
                    if bits & GAS_FILL:
                        gas = plan[GAS]
                    if bits & DIESEL_FILL:
                        diesel, can = plan[DIESEL], plan[GEN_STORE]
                t_out = mean_c[d, j] + swing_c[d, j] / 2 * swing_at[j, i]
                now = j + (i + 1) * dt / 24
                if generating:
                    left = can if plan[GENERATOR] == OWN_STORE else diesel if plan[GENERATOR] == FROM_DIESEL else gas if plan[GENERATOR] == FROM_GAS else 1.0
                    if left <= 0:
                        shore = generating = False
                        if summary[d, FIRST_GEN] < 0:
                            summary[d, FIRST_GEN] = now
                if snow_flat or snow_steep:
                    mild_h = mild_h + dt if t_out > SNOW_MELTS_C else 0.0
                    if mild_h >= SNOW_MELTS_H or (persons > 0 and plan[SNOW_CLEARED] >= 0 and plan[SNOW_CLEARED] - dt < h - dt / 2 <= plan[SNOW_CLEARED]):
                        snow_flat = snow_steep = False
                # 2 sun
                ghi, pv = 0.0, 0.0
                cz = cos_z[j, i]
                if cz > 0:
                    kt = clear[d, j] * unit[j, i]
                    kd = min(kt, diffuse[d, j])
                    ghi = kt * g0n * cz
                    dhi = kd * g0n * cz
                    dni = (kt - kd) * g0n
                    ring = dni / g0n
                    wind = 0.5 if driving else 1.0
                    on_one = 0.0
                    for a in range(array_count):
                        made = 0.0
                        first, last = int(heads[a]), int(heads[a + 1])
                        if on[j, i, a] == 0:
                            last = first
                        even = (dhi * (1 - ring) * sky[j, i, a] + ghi * plan[ALBEDO] * ground[j, i, a]) * (1 - arrays[a, A_B0]) * arrays[a, A_VIEW]
                        lit = 1 - shade[a, int(h)]
                        for p in range(first, last):
                            ct = planes[j, i, p]
                            light = even
                            if ct > 0:
                                beam = dni * ct + dhi * ring * ct / max(cz, 0.01745)
                                light += beam * max(0.0, 1 - arrays[a, A_B0] * (1 / ct - 1)) * lit
                            light *= arrays[a, A_SOIL]
                            if light >= 1:
                                t_cell = t_out + light * arrays[a, A_HEAT] * wind
                                lit_w = arrays[a, A_POWER] * light / 1000 * arrays[a, A_LOSS]
                                warm = (1 + arrays[a, A_GAMMA] * (t_cell - 25)) * (1 + arrays[a, A_LOW] * math.log(light / 1000))
                                made += lit_w * min(max(0.0, warm), arrays[a, A_HELD])
                        if last > first:
                            made /= last - first
                        if (snow_steep if arrays[a, A_STEEP] != 0 else snow_flat) and made > 0:
                            snowed = True
                            ledger[d, SNOW_LOST] += made * (1 - SNOW_LEFT) * arrays[a, A_ETA] * dt
                            made *= SNOW_LEFT
                        on_one += made
                        if arrays[a, A_LAST] != 0:
                            pv += min(on_one * arrays[a, A_ETA], arrays[a, A_MOST])
                            on_one = 0.0
                # 3 heat
                gains = plan[APERTURE] * ghi + plan[GAIN] + persons * plan[PERSON]
                ua, keep = plan[UA], keep_shut
                if persons > 0 and cabin > OPEN_C and t_out < cabin - COOLER_K:
                    ua, keep = plan[UA] + plan[VENT_UA], keep_open
                want, q, el, el_mains, aim = 0.0, 0.0, 0.0, 0.0, -1e9
                fuel_short = False
                if plan[HEATER] != NO_HEATER and persons > 0:
                    aim = plan[SET_DAY] if plan[DAY_FROM] <= h < plan[DAY_TO] else plan[SET_NIGHT]
                    want = min(max(ua * ((aim - cabin * keep) / (1 - keep) - t_out) - gains, 0.0), plan[HEATER_W])
                    q = want
                    if plan[HEATER] == BY_MAINS and not shore:
                        q = 0.0
                    elif plan[HEATER] == BY_DIESEL and plan[HAS_DIESEL] != 0:
                        q = min(q, diesel * LHV_DIESEL * 1000 * plan[ETA_HEATER] / dt)
                    elif plan[HEATER] == BY_GAS and plan[HAS_GAS] != 0:
                        q = min(q, gas * LHV_GAS * 1000 * plan[ETA_HEATER] / dt)
                    fuel_short = q < want - 1e-9
                    if q > 0:
                        level = max(q, plan[HEAT_LEAST])
                        spread = plan[HEATER_W] - plan[HEAT_LEAST]
                        el = q / level * (plan[EL_LEAST] + (plan[EL_MOST] - plan[EL_LEAST]) * ((level - plan[HEAT_LEAST]) / spread if spread > 0 else 1.0))
                        if q < plan[HEAT_LEAST]:
                            el += STARTS_H * plan[START_WH]
                        if plan[HEATER] == BY_MAINS:
                            el_mains = q / plan[ETA_HEATER]
                # and cold: what the cooler must take away to hold its temperature
                want_cool, cool, el_cool = 0.0, 0.0, 0.0
                if plan[COOL_W] > 0 and persons > 0 and plan[COOL_FROM] <= h < plan[COOL_TO] and (shore or plan[COOL_SHORE] == 0):
                    net = max(0.0, plan[COOL_W] - PER_FLOW * plan[COOL_HOSE] * max(0.0, t_out - cabin))
                    want_cool = max(0.0, gains - ua * ((plan[COOL_SET] - cabin * keep) / (1 - keep) - t_out))
                    cool = min(want_cool, net)
                    if want_cool > 0:
                        duty = cool / net if net > 0 else 1.0
                        el_cool = duty * plan[COOL_W] / plan[COOL_EER] + (1 - duty) * plan[COOL_FAN]
                # 4 demand, 5 what is live
                fridge = plan[FRIDGE_W] * min(1.0, plan[FRIDGE_DUTY] * fridge_ratio(cabin, plan[FRIDGE_IN], plan[FRIDGE_REF])) if plan[FRIDGE_W] > 0 else 0.0
                soc = e / nominal
                floor = c.floor_at(bank, cell)
                for t in range(3):
                    if shed_at[t] == NEVER_SHED:
                        continue
                    was = off[t]
                    if shore or soc >= back_at[t]:
                        off[t] = False
                    elif soc <= shed_at[t]:
                        off[t] = True
                    if was != off[t] and n_events < events.shape[1]:
                        events[d, n_events, 0] = j + i * dt / 24
                        events[d, n_events, 1] = E_SHED if off[t] else E_BACK
                        n_events += 1
                if open_ and (soc >= min(0.98, floor + bank[c.RECONNECT] - bank[c.FLOOR]) or (shore and plan[CHARGER] > 0) or (driving and plan[DCDC] > 0)):
                    open_ = False
                    if n_events < events.shape[1]:
                        events[d, n_events, 0] = j + i * dt / 24
                        events[d, n_events, 1] = E_RECONNECT
                        n_events += 1
                was_open = open_
                dc_live, ac_live, ac_all, dead, dead_need = 0.0, 0.0, 0.0, 0.0, 0.0
                for t in range(3):
                    x = dc[j, i, t]
                    if t == int(plan[FRIDGE_TIER]):
                        x += fridge
                    if t == int(plan[HEATER_TIER]):
                        x += el
                    y = ac[j, i, t]
                    if t == int(plan[HEATER_TIER]):
                        y += el_mains
                    if t == int(plan[COOL_TIER]):
                        if plan[COOL_AC] != 0:
                            y += el_cool
                        else:
                            x += el_cool
                    live = not off[t] and not open_
                    ac_all += y
                    if live:
                        dc_live += x
                        ac_live += y
                    else:
                        lost = x + (0.0 if shore else y)
                        dead += lost
                        if t < 2 or open_:
                            dead_need += lost
                heat_live = not off[int(plan[HEATER_TIER])] and not open_
                cool_live = not off[int(plan[COOL_TIER])] and not open_
                ac_short, shore_ac, offer_shore, inverter = 0.0, 0.0, 0.0, 0.0
                if shore:
                    shore_ac = min(ac_all, mains_most)
                    ac_short = ac_all - shore_ac
                    offer_shore = min(plan[CHARGER], max(0.0, mains_most - shore_ac) * plan[ETA_CHARGER])
                    ac_live = 0.0
                elif plan[INVERTER] != 0 and not open_ and (ac_live > 0 or plan[ALWAYS] != 0):
                    inverter = plan[IDLE] + ac_live / plan[ETA_INVERTER]
                demand = dc_live + inverter
                offer_dcdc = plan[DCDC] if driving and soc < plan[DCDC_BELOW] else 0.0
                offered = pv + offer_shore + offer_dcdc
                # the bank's own heater is not behind the disconnect: with it open, or where it only warms for charging, it lives on what the sources have left
                el_bank = 0.0
                if plan[BANK_HEATER] != UNHEATED:
                    el_bank = min(plan[BANK_HEATER_W], c.warming_w(bank, cell, cabin if plan[BANK_INSIDE] != 0 else t_out, HEATED_C, dt))
                    if open_ or plan[BANK_HEATER] == HEATED_ON_CHARGE:
                        el_bank = min(el_bank, max(0.0, offered - demand))
                    demand += el_bank
                # 6 battery
                before = e
                leak = c.self_discharge(bank, e, dt)
                e -= leak
                short, b_in, b_out, loss = 0.0, 0.0, 0.0, 0.0
                if offered >= demand:
                    room = c.charge_room_w(bank, e, cell, dt)
                    b_in = min(offered - demand, room)
                    needed = demand + b_in
                    e, _, loss = c.charged(bank, e, b_in, dt)
                    if cell < 0 and bank[c.KIND] != c.LEAD and offered - demand > 1e-9:
                        summary[d, REFUSED_COLD_H] += dt
                        summary[d, REFUSED_COLD_WH] += (offered - demand) * dt
                    elif cell > 40 and offered - demand > 1e-9 and c.warm_charge_a(bank, cell) <= 0:
                        summary[d, REFUSED_HOT_H] += dt
                else:
                    b_out = min(demand - offered, c.discharge_room_w(bank, e, cell, dt))
                    short = demand - offered - b_out
                    if short > 1e-6 and e > (floor + 0.01) * nominal + b_out * dt:
                        summary[d, LIMITED_H] += dt
                    needed = offered
                    e, _, loss = c.discharged(bank, e, b_out, dt)
                e = min(nominal, max(0.0, e))
                if plan[HOOKUP_FIRST] != 0:
                    used_shore = min(offer_shore, needed)
                    used_pv = min(pv, needed - used_shore)
                else:
                    used_pv = min(pv, needed)
                    used_shore = min(offer_shore, needed - used_pv)
                used_dcdc = min(offer_dcdc, needed - used_pv - used_shore)
                part = 1 - short / demand if demand > 0 else 1.0
                # 7 low-voltage disconnect
                if short > 1e-9 and e <= (floor + 1e-9) * nominal and not open_:
                    open_ = True
                    if n_events < events.shape[1]:
                        events[d, n_events, 0] = j + (i + 1) * dt / 24
                        events[d, n_events, 1] = E_DISCONNECT
                        n_events += 1
                # 8 temperatures
                if heat_live:
                    q *= part
                else:
                    q = 0.0
                if plan[COOL_AC] != 0 and plan[INVERTER] == 0 and not shore:
                    cool_live = False
                cool = cool * part if cool_live else 0.0
                cell = c.warmed(bank, cell, cabin if plan[BANK_INSIDE] != 0 else t_out, loss + el_bank * part * dt, dt)
                end = t_out + (q + gains - cool) / ua
                was_c = cabin
                cabin = end + (cabin - end) * keep
                mean_cabin = end + (was_c - end) * (1 - keep) * plan[C_CABIN] / (ua * dt)
                # damp: what is given off against the air that goes through; at the coldest face it condenses
                if plan[VOLUME] > 0:
                    kelvin = cabin + 273.15
                    awake = plan[DAY_FROM] <= h < plan[DAY_TO]
                    grams = persons * (plan[MOIST_AWAKE] if awake else plan[MOIST_ASLEEP]) + (plan[MOIST_DAY] if awake and persons > 0 else 0.0)
                    towards = min(day_damp, saturation(t_out)) + grams / 1000 * R_V * kelvin / plan[AIR_FLOW]
                    damp = towards + (damp - towards) * math.exp(-plan[AIR_FLOW] * dt / plan[VOLUME])
                    most = saturation(cabin - plan[COLD_FACE] * (cabin - t_out))
                    if damp > most:
                        ledger[d, CONDENSED] += (damp - most) / (R_V * kelvin) * plan[VOLUME] * 1000
                        summary[d, WET_H] += dt
                        damp = most
                    if persons > 0 and damp > DAMP_RH * saturation(cabin):
                        summary[d, DAMP_H] += dt
                # 9 fuel and water
                fuel = q * dt / 1000 / plan[ETA_HEATER] if q > 0 else 0.0
                if plan[HEATER] == BY_DIESEL:
                    burnt = fuel / LHV_DIESEL
                    if plan[HAS_DIESEL] != 0:
                        burnt = min(burnt, diesel)
                        diesel -= burnt
                        ledger[d, DIESEL_USED] += burnt
                        if fuel_short and summary[d, FIRST_DIESEL] < 0:
                            summary[d, FIRST_DIESEL] = now
                hour = int(h)
                share = persons / 15 * dt if 7 <= hour <= 21 else 0.0
                if plan[HAS_GAS] != 0:
                    need = plan[COOK_DAY] * share + (fuel / LHV_GAS if plan[HEATER] == BY_GAS else 0.0)
                    taken = min(need, gas)
                    gas -= taken
                    ledger[d, GAS_USED] += taken
                    if (need - taken > TINY or (fuel_short and plan[HEATER] == BY_GAS)) and summary[d, FIRST_GAS] < 0:
                        summary[d, FIRST_GAS] = now
                if generating:
                    given = shore_ac + used_shore / plan[ETA_CHARGER]
                    burnt = (plan[GEN_IDLE] + plan[GEN_SLOPE] * given) * dt
                    if plan[GENERATOR] == OWN_STORE:
                        burnt = min(burnt, can)
                        can -= burnt
                    elif plan[GENERATOR] == FROM_DIESEL:
                        burnt = min(burnt, diesel)
                        diesel -= burnt
                        ledger[d, DIESEL_USED] += burnt
                    elif plan[GENERATOR] == FROM_GAS:
                        burnt = min(burnt, gas)
                        gas -= burnt
                        ledger[d, GAS_USED] += burnt
                    ledger[d, GEN_FUEL] += burnt
                    ledger[d, GEN_MADE] += given * dt
                    summary[d, GEN_H] += dt
                water = plan[FRESH_DAY] * share
                if plan[HAS_FRESH] != 0:
                    drawn = min(water, fresh)
                    fresh -= drawn
                    ledger[d, FRESH_USED] += drawn
                    ledger[d, WATER_MISSING] += water - drawn
                    if water - drawn > TINY and summary[d, FIRST_FRESH] < 0:
                        summary[d, FIRST_FRESH] = now
                    water = drawn
                if plan[HAS_GREY] != 0:
                    grey += water * plan[GREY_PART]
                    if grey > plan[GREY] + TINY and summary[d, FIRST_GREY] < 0:
                        summary[d, FIRST_GREY] = now
                    grey = min(grey, plan[GREY])
                if plan[HAS_TOILET] != 0:
                    toilet += plan[TOILET_DAY] * share
                    if toilet > plan[TOILET] + TINY and summary[d, FIRST_TOILET] < 0:
                        summary[d, FIRST_TOILET] = now
                    toilet = min(toilet, plan[TOILET])
                # 10 ledger
                if (short + ac_short + dead_need) * dt > TINY:
                    short_today = True
                    if summary[d, FIRST_ELECTRICITY] < 0:
                        summary[d, FIRST_ELECTRICITY] = now
                served = demand - short + shore_ac
                ledger[d, PV_AVAILABLE] += pv * dt
                ledger[d, PV_USED] += used_pv * dt
                ledger[d, CURTAILED] += (pv - used_pv) * dt
                ledger[d, DCDC_USED] += used_dcdc * dt
                ledger[d, SHORE_DC] += used_shore * dt
                ledger[d, SHORE_AC] += shore_ac * dt
                ledger[d, DEMAND] += (demand + shore_ac + ac_short + dead) * dt
                ledger[d, SERVED] += served * dt
                ledger[d, UNSERVED] += (short + ac_short + (dead if was_open else 0.0)) * dt
                ledger[d, SHED] += 0.0 if was_open else dead * dt
                ledger[d, INVERTER_LOSS] += (inverter - ac_live) * part * dt if inverter > 0 else 0.0
                ledger[d, BATTERY_IN] += b_in * dt
                ledger[d, BATTERY_OUT] += b_out * dt
                ledger[d, BATTERY_LOSS] += loss
                ledger[d, SELF_LOSS] += leak
                ledger[d, STORED] += e - before
                ledger[d, HEAT] += q * dt
                ledger[d, COOL] += cool * dt
                ledger[d, COOL_MISSING] += (want_cool - cool) * dt
                ledger[d, HEATER_EL] += (el + el_mains) * part * dt if heat_live else 0.0
                ledger[d, COOLER_EL] += el_cool * part * dt if cool_live else 0.0
                ledger[d, BANK_HEAT] += el_bank * part * dt
                ledger[d, GAINS] += gains * dt
                ledger[d, HEAT_OUT] += ua * (mean_cabin - t_out) * dt
                ledger[d, HEAT_STORED] += plan[C_CABIN] * (cabin - was_c)
                ledger[d, HEAT_MISSING] += (want - q) * dt
                ledger[d, GHI] += ghi * dt / 1000
                cold_h = cold_h + dt if cabin < aim - COLD_BY_K else 0.0
                summary[d, COLD_RUN_H] = max(summary[d, COLD_RUN_H], cold_h)
                least_cell = min(least_cell, cell)
                least_soc = min(least_soc, e / nominal)
                least_cabin, most_cabin = min(least_cabin, cabin), max(most_cabin, cabin)
                if persons > 0 and cabin > HOT_C:
                    summary[d, HOT_H] += dt
                if plan[HAS_BAY] != 0 and cabin - plan[BAY_B] * (cabin - t_out) < 0:
                    summary[d, BAY_FREEZE_H] += dt
                    if summary[d, FIRST_BAY] < 0:
                        summary[d, FIRST_BAY] = now
                if cabin < 0 and fresh + grey > 0 and (plan[HAS_FRESH] != 0 or plan[HAS_GREY] != 0):
                    summary[d, FREEZE_H] += dt
                if series.shape[0] > 0:
                    s = series[d - first_draw, j * steps + i]
                    s[S_SOC] = e / nominal
                    s[S_FRESH], s[S_GREY], s[S_TOILET], s[S_GAS], s[S_DIESEL] = fresh, grey, toilet, gas, diesel
                    s[S_CABIN], s[S_PV], s[S_LOAD], s[S_SOURCES] = cabin, pv, served, used_pv + used_shore + used_dcdc + shore_ac
                    s[S_RH], s[S_HEAT], s[S_COOL], s[S_GEN] = damp / saturation(cabin), q, cool, can
            if snowed:
                summary[d, SNOW_DAYS] += 1
            if short_today:
                short_day[d, j] = 1
                summary[d, SHORT_DAYS] += 1
        summary[d, LEAST_SOC], summary[d, LEAST_CABIN], summary[d, MOST_CABIN] = least_soc, least_cabin, most_cabin
        summary[d, END_SOC], summary[d, END_GEN], summary[d, LEAST_CELL] = e / nominal, can, least_cell
        summary[d, END_FRESH], summary[d, END_GREY], summary[d, END_TOILET], summary[d, END_GAS], summary[d, END_DIESEL] = fresh, grey, toilet, gas, diesel
        event_count[d] = n_events
