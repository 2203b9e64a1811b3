"""What the trip's kernel does in one step, piece by piece, compiled: sun, heat and cold, what is live, bank, damp, stores (method trips.run).

Scalars come and go as values; what lasts from step to step stands in small arrays that the pieces change. ``led`` is the ledger of one draw, ``tot`` its
summary, ``plan`` everything that is one number.
"""

from __future__ import annotations

import math

from bothy.core.jit import piece
from bothy.core.sun.geometry import Array
from bothy.core.trips import cells as c
from bothy.core.trips import places as k

# what is in the stores, and the snow on the panels: from step to step
W_FRESH, W_GREY, W_TOILET, W_GAS, W_DIESEL, W_CAN, STORE_SIZE = range(7)
FLAT, STEEP, MILD_H, SNOW_SIZE = range(4)
"""1 where snow lies on flat and on steep panels; for how long it has been mild, h."""


@piece
def saturation(temp_c: float) -> float:
    """Saturation pressure in Pa (method warmth.air)."""
    if temp_c >= 0:
        return 611.2 * math.exp(17.62 * temp_c / (243.12 + temp_c))
    return 611.2 * math.exp(22.46 * temp_c / (272.62 + temp_c))


@piece
def fridge_ratio(temp_c: float, inside_c: float, reference_c: float) -> float:
    """How hard the fridge works against its reference temperature."""
    return max(0.0, temp_c - inside_c) / (reference_c - inside_c) * max(0.5, 1 + 0.02 * (temp_c - reference_c))


@piece
def noted(events: Array, count: int, at: float, what: float) -> int:
    """Write an event down while there is room; gives how many there are."""
    if count < events.shape[0]:
        events[count, 0] = at
        events[count, 1] = what
        return count + 1
    return count


@piece
def first_at(tot: Array, place: int, now: float) -> None:
    """Keep when something happened first, in days."""
    if tot[place] < 0:
        tot[place] = now


# stores


@piece
def filled(plan: Array, bits: int, store: Array) -> None:
    """Fill and empty what is filled and emptied at a stop."""
    if bits & k.WATER:
        store[W_FRESH] = plan[k.FRESH]
    if bits & k.GREY_DUMP:
        store[W_GREY] = 0.0
    if bits & k.TOILET_DUMP:
        store[W_TOILET] = 0.0
    if bits & k.GAS_FILL:
        store[W_GAS] = plan[k.GAS]
    if bits & k.DIESEL_FILL:
        store[W_DIESEL], store[W_CAN] = plan[k.DIESEL], plan[k.GEN_STORE]


@piece
def generator_left(plan: Array, store: Array) -> float:
    """What is left of what the generator burns; above nought where that isn't limited."""
    if plan[k.GENERATOR] == k.OWN_STORE:
        return store[W_CAN]
    if plan[k.GENERATOR] == k.FROM_DIESEL:
        return store[W_DIESEL]
    return store[W_GAS] if plan[k.GENERATOR] == k.FROM_GAS else 1.0


@piece
def generator_burnt(plan: Array, store: Array, led: Array, given_w: float, dt: float) -> None:
    """Take what the generator burns for so many W of its mains."""
    burnt = (plan[k.GEN_IDLE] + plan[k.GEN_SLOPE] * given_w) * dt
    if plan[k.GENERATOR] == k.OWN_STORE:
        burnt = min(burnt, store[W_CAN])
        store[W_CAN] -= burnt
    elif plan[k.GENERATOR] == k.FROM_DIESEL:
        burnt = min(burnt, store[W_DIESEL])
        store[W_DIESEL] -= burnt
        led[k.DIESEL_USED] += burnt
    elif plan[k.GENERATOR] == k.FROM_GAS:
        burnt = min(burnt, store[W_GAS])
        store[W_GAS] -= burnt
        led[k.GAS_USED] += burnt
    led[k.GEN_FUEL] += burnt
    led[k.GEN_MADE] += given_w * dt


@piece
def fuel_burnt(plan: Array, store: Array, led: Array, tot: Array, fuel_kwh: float, fuel_short: bool, cooking_share: float, now: float) -> None:
    """Take what heater and hob burn."""
    if plan[k.HEATER] == k.BY_DIESEL:
        burnt = fuel_kwh / k.LHV_DIESEL
        if plan[k.HAS_DIESEL] != 0:
            burnt = min(burnt, store[W_DIESEL])
            store[W_DIESEL] -= burnt
            led[k.DIESEL_USED] += burnt
            if fuel_short:
                first_at(tot, k.FIRST_DIESEL, now)
    if plan[k.HAS_GAS] != 0:
        need = plan[k.COOK_DAY] * cooking_share + (fuel_kwh / k.LHV_GAS if plan[k.HEATER] == k.BY_GAS else 0.0)
        taken = min(need, store[W_GAS])
        store[W_GAS] -= taken
        led[k.GAS_USED] += taken
        if need - taken > k.TINY or (fuel_short and plan[k.HEATER] == k.BY_GAS):
            first_at(tot, k.FIRST_GAS, now)


@piece
def water_used(plan: Array, store: Array, led: Array, tot: Array, share: float, now: float) -> None:
    """Draw the water of so large a share of a day; it goes to the grey tank, and the toilet fills."""
    water = plan[k.FRESH_DAY] * share
    if plan[k.HAS_FRESH] != 0:
        drawn = min(water, store[W_FRESH])
        store[W_FRESH] -= drawn
        led[k.FRESH_USED] += drawn
        led[k.WATER_MISSING] += water - drawn
        if water - drawn > k.TINY:
            first_at(tot, k.FIRST_FRESH, now)
        water = drawn
    if plan[k.HAS_GREY] != 0:
        store[W_GREY] += water * plan[k.GREY_PART]
        if store[W_GREY] > plan[k.GREY] + k.TINY:
            first_at(tot, k.FIRST_GREY, now)
        store[W_GREY] = min(store[W_GREY], plan[k.GREY])
    if plan[k.HAS_TOILET] != 0:
        store[W_TOILET] += plan[k.TOILET_DAY] * share
        if store[W_TOILET] > plan[k.TOILET] + k.TINY:
            first_at(tot, k.FIRST_TOILET, now)
        store[W_TOILET] = min(store[W_TOILET], plan[k.TOILET])


# sources


@piece
def snow_falls(plan: Array, snow: Array, mean_c: float, clear: float, usual: float) -> None:
    """Snow falls on a dull frosty day; a bright day clears steep panels."""
    if plan[k.SNOW] == 0:
        return
    if mean_c < 0 and clear < k.SNOW_CLEAR * usual:
        snow[FLAT] = snow[STEEP] = 1.0
        snow[MILD_H] = 0.0
    elif clear > usual:
        snow[STEEP] = 0.0


@piece
def snow_goes(plan: Array, snow: Array, t_out: float, lived_in: bool, h: float, dt: float) -> None:
    """Snow melts once it has been mild for so long, or is swept off."""
    if snow[FLAT] == 0 and snow[STEEP] == 0:
        return
    snow[MILD_H] = snow[MILD_H] + dt if t_out > k.SNOW_MELTS_C else 0.0
    swept = lived_in and plan[k.SNOW_CLEARED] >= 0 and plan[k.SNOW_CLEARED] - dt < h - dt / 2 <= plan[k.SNOW_CLEARED]
    if snow[MILD_H] >= k.SNOW_MELTS_H or swept:
        snow[FLAT] = snow[STEEP] = 0.0


@piece
def array_w(
    arrays: Array,
    n: int,
    planes: Array,
    j: int,
    i: int,
    first: int,
    last: int,
    even: float,
    dni: float,
    dhi: float,
    ring: float,
    cz: float,
    lit: float,
    t_out: float,
    wind: float,
) -> float:
    """What the panels of an array make, W: the mean over its headings. ``even`` light comes from all round; ``lit`` is not in shade."""
    made = 0.0
    for p in range(first, last):
        ct = planes[j, i, p]
        light = even
        if ct > 0:
            beam = dni * ct + dhi * ring * ct / max(cz, 0.01745)
            light += beam * max(0.0, 1 - arrays[n, k.A_B0] * (1 / ct - 1)) * lit
        light *= arrays[n, k.A_SOIL]
        if light >= 1:
            t_cell = t_out + light * arrays[n, k.A_HEAT] * wind
            lit_w = arrays[n, k.A_POWER] * light / 1000 * arrays[n, k.A_LOSS]
            warm = (1 + arrays[n, k.A_GAMMA] * (t_cell - 25)) * (1 + arrays[n, k.A_LOW] * math.log(light / 1000))
            made += lit_w * min(max(0.0, warm), arrays[n, k.A_HELD])
    return made / (last - first) if last > first else made


@piece
def sun_w(
    plan: Array,
    panels: tuple[Array, Array, Array],
    light: tuple[Array, Array, Array, Array],
    j: int,
    i: int,
    snow: Array,
    led: Array,
    g0n: float,
    cz: float,
    kt: float,
    diffuse: float,
    t_out: float,
    driving: bool,
    hour: int,
    dt: float,
) -> tuple[float, float, bool]:
    """Light on the level in W/m², what all arrays give behind their controllers in W, and whether snow took some of it."""
    arrays, heads, shade = panels
    planes, sky, ground, on = light
    kd = min(kt, diffuse)
    ghi = kt * g0n * cz
    dhi = kd * g0n * cz
    dni = (kt - kd) * g0n
    ring = dni / g0n
    wind = 0.5 if driving else 1.0
    pv, on_one, snowed = 0.0, 0.0, False
    for n in range(arrays.shape[0]):
        first, last = int(heads[n]), int(heads[n + 1])
        if on[j, i, n] == 0:
            last = first
        even = (dhi * (1 - ring) * sky[j, i, n] + ghi * plan[k.ALBEDO] * ground[j, i, n]) * (1 - arrays[n, k.A_B0]) * arrays[n, k.A_VIEW]
        made = array_w(arrays, n, planes, j, i, first, last, even, dni, dhi, ring, cz, 1 - shade[n, hour], t_out, wind)
        if (snow[STEEP] if arrays[n, k.A_STEEP] != 0 else snow[FLAT]) != 0 and made > 0:
            snowed = True
            led[k.SNOW_LOST] += made * (1 - k.SNOW_LEFT) * arrays[n, k.A_ETA] * dt
            made *= k.SNOW_LEFT
        on_one += made
        if arrays[n, k.A_LAST] != 0:
            pv += min(on_one * arrays[n, k.A_ETA], arrays[n, k.A_MOST])
            on_one = 0.0
    return ghi, pv, snowed


# cabin


@piece
def heat_wanted(
    plan: Array, store: Array, h: float, ua: float, keep: float, cabin: float, t_out: float, gains: float, shore: bool, dt: float
) -> tuple[float, float, float, float, float]:
    """What the heater aims at in °C, should and can give in W, and takes for it in W from bank and mains."""
    aim = plan[k.SET_DAY] if plan[k.DAY_FROM] <= h < plan[k.DAY_TO] else plan[k.SET_NIGHT]
    want = min(max(ua * ((aim - cabin * keep) / (1 - keep) - t_out) - gains, 0.0), plan[k.HEATER_W])
    q, el, el_mains = want, 0.0, 0.0
    if plan[k.HEATER] == k.BY_MAINS and not shore:
        q = 0.0
    elif plan[k.HEATER] == k.BY_DIESEL and plan[k.HAS_DIESEL] != 0:
        q = min(q, store[W_DIESEL] * k.LHV_DIESEL * 1000 * plan[k.ETA_HEATER] / dt)
    elif plan[k.HEATER] == k.BY_GAS and plan[k.HAS_GAS] != 0:
        q = min(q, store[W_GAS] * k.LHV_GAS * 1000 * plan[k.ETA_HEATER] / dt)
    if q > 0:
        level = max(q, plan[k.HEAT_LEAST])
        spread = plan[k.HEATER_W] - plan[k.HEAT_LEAST]
        el = q / level * (plan[k.EL_LEAST] + (plan[k.EL_MOST] - plan[k.EL_LEAST]) * ((level - plan[k.HEAT_LEAST]) / spread if spread > 0 else 1.0))
        if q < plan[k.HEAT_LEAST]:
            el += k.STARTS_H * plan[k.START_WH]
        if plan[k.HEATER] == k.BY_MAINS:
            el_mains = q / plan[k.ETA_HEATER]
    return aim, want, q, el, el_mains


@piece
def cold_wanted(plan: Array, ua: float, keep: float, cabin: float, t_out: float, gains: float) -> tuple[float, float, float]:
    """What the cooler must take away to hold its temperature, what it can, and what it draws for it, W."""
    net = max(0.0, plan[k.COOL_W] - k.PER_FLOW * plan[k.COOL_HOSE] * max(0.0, t_out - cabin))
    want = max(0.0, gains - ua * ((plan[k.COOL_SET] - cabin * keep) / (1 - keep) - t_out))
    cool = min(want, net)
    if want <= 0:
        return want, cool, 0.0
    duty = cool / net if net > 0 else 1.0
    return want, cool, duty * plan[k.COOL_W] / plan[k.COOL_EER] + (1 - duty) * plan[k.COOL_FAN]


@piece
def damp_then(plan: Array, led: Array, tot: Array, damp: float, outside: float, cabin: float, t_out: float, persons: float, awake: bool, dt: float) -> float:
    """Vapour pressure inside in Pa after a step: what is given off against the air that goes through; at the coldest face it condenses."""
    if plan[k.VOLUME] <= 0:
        return damp
    kelvin = cabin + 273.15
    grams = persons * (plan[k.MOIST_AWAKE] if awake else plan[k.MOIST_ASLEEP]) + (plan[k.MOIST_DAY] if awake and persons > 0 else 0.0)
    towards = min(outside, saturation(t_out)) + grams / 1000 * k.R_V * kelvin / plan[k.AIR_FLOW]
    damp = towards + (damp - towards) * math.exp(-plan[k.AIR_FLOW] * dt / plan[k.VOLUME])
    most = saturation(cabin - plan[k.COLD_FACE] * (cabin - t_out))
    if damp > most:
        led[k.CONDENSED] += (damp - most) / (k.R_V * kelvin) * plan[k.VOLUME] * 1000
        tot[k.WET_H] += dt
        damp = most
    if persons > 0 and damp > k.DAMP_RH * saturation(cabin):
        tot[k.DAMP_H] += dt
    return damp


# what is live


@piece
def tiers_switched(plan: Array, off: Array, events: Array, count: int, soc: float, shore: bool, at: float) -> int:
    """Shed loads by their tier and take them back; gives how many events there are."""
    for t in range(3):
        shed = plan[k.SHED_1 + t]
        if shed == k.NEVER_SHED:
            continue
        was = off[t]
        if shore or soc >= plan[k.BACK_1 + t]:
            off[t] = 0.0
        elif soc <= shed:
            off[t] = 1.0
        if was != off[t]:
            count = noted(events, count, at, k.E_SHED if off[t] != 0 else k.E_BACK)
    return count


@piece
def loads_w(
    plan: Array, dc: Array, ac: Array, j: int, i: int, off: Array, cut: bool, shore: bool, fridge: float, el: float, el_mains: float, el_cool: float
) -> tuple[float, float, float, float, float]:
    """Low-voltage and mains loads that are live, all mains loads, what goes without, and what of that nobody chose to go without, W."""
    dc_live, ac_live, ac_all, dead, dead_need = 0.0, 0.0, 0.0, 0.0, 0.0
    for t in range(3):
        x = dc[j, i, t]
        if t == int(plan[k.FRIDGE_TIER]):
            x += fridge
        if t == int(plan[k.HEATER_TIER]):
            x += el
        y = ac[j, i, t]
        if t == int(plan[k.HEATER_TIER]):
            y += el_mains
        if t == int(plan[k.COOL_TIER]):
            if plan[k.COOL_AC] != 0:
                y += el_cool
            else:
                x += el_cool
        ac_all += y
        if off[t] == 0 and not cut:
            dc_live += x
            ac_live += y
        else:
            lost = x + (0.0 if shore else y)
            dead += lost
            if t < 2 or cut:
                dead_need += lost
    return dc_live, ac_live, ac_all, dead, dead_need


# bank


@piece
def bank_heater_w(plan: Array, bank: Array, cell: float, env_c: float, cut: bool, spare_w: float, dt: float) -> float:
    """What the bank's own heater takes, W. It is not behind the disconnect: with that open, or where it only warms for charging, it lives on what the
    sources have left."""
    if plan[k.BANK_HEATER] == k.UNHEATED:
        return 0.0
    el = min(plan[k.BANK_HEATER_W], c.warming_w(bank, cell, env_c, k.HEATED_C, dt))
    if cut or plan[k.BANK_HEATER] == k.HEATED_ON_CHARGE:
        el = min(el, max(0.0, spare_w))
    return el


@piece
def bank_works(
    bank: Array, tot: Array, e: float, cell: float, floor: float, offered: float, demand: float, dt: float
) -> tuple[float, float, float, float, float, float]:
    """Charge or discharge the bank over a step: its energy then in Wh, what goes in and out and isn't served in W, what the sources must give in W, and
    the loss in Wh."""
    nominal = bank[c.E_NOM]
    short, b_in, b_out, loss = 0.0, 0.0, 0.0, 0.0
    if offered >= demand:
        b_in = min(offered - demand, c.charge_room_w(bank, e, cell, dt))
        needed = demand + b_in
        e, _, loss = c.charged(bank, e, b_in, dt)
        if cell < 0 and bank[c.KIND] != c.LEAD and offered - demand > 1e-9:
            tot[k.REFUSED_COLD_H] += dt
            tot[k.REFUSED_COLD_WH] += (offered - demand) * dt
        elif cell > 40 and offered - demand > 1e-9 and c.warm_charge_a(bank, cell) <= 0:
            tot[k.REFUSED_HOT_H] += dt
    else:
        b_out = min(demand - offered, c.discharge_room_w(bank, e, cell, dt))
        short = demand - offered - b_out
        if short > 1e-6 and e > (floor + 0.01) * nominal + b_out * dt:
            tot[k.LIMITED_H] += dt
        needed = offered
        e, _, loss = c.discharged(bank, e, b_out, dt)
    return min(nominal, max(0.0, e)), b_in, b_out, short, needed, loss


@piece
def shared_out(plan: Array, needed: float, pv: float, shore: float, dcdc: float) -> tuple[float, float, float]:
    """What sun, mains and driving each give of what is needed, W."""
    if plan[k.HOOKUP_FIRST] != 0:
        used_shore = min(shore, needed)
        used_pv = min(pv, needed - used_shore)
    else:
        used_pv = min(pv, needed)
        used_shore = min(shore, needed - used_pv)
    return used_pv, used_shore, min(dcdc, needed - used_pv - used_shore)


# what is written down


@piece
def comfort(plan: Array, tot: Array, store: Array, cabin: float, t_out: float, persons: float, now: float, dt: float) -> None:
    """Hours that were hot or freezing."""
    if persons > 0 and cabin > k.HOT_C:
        tot[k.HOT_H] += dt
    if plan[k.HAS_BAY] != 0 and cabin - plan[k.BAY_B] * (cabin - t_out) < 0:
        tot[k.BAY_FREEZE_H] += dt
        first_at(tot, k.FIRST_BAY, now)
    if cabin < 0 and store[W_FRESH] + store[W_GREY] > 0 and (plan[k.HAS_FRESH] != 0 or plan[k.HAS_GREY] != 0):
        tot[k.FREEZE_H] += dt
