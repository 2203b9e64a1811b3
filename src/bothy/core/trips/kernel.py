"""The coupled trip, compiled: every draw, day and step with sun, bank, loads, heat, water and fuel (method trips.run).

No randomness and no objects in here: plain arrays in, sums and series out. Draws are independent, so that blocks of them may run beside each
other and give the same numbers in any order. Flat arrays have named places (:mod:`bothy.core.trips.places`); what a step does stands piece by piece
in :mod:`bothy.core.trips.pieces`.
"""

from __future__ import annotations

import math

import numpy as np

from bothy.core.jit import piece
from bothy.core.sun.geometry import Array
from bothy.core.trips import cells as c
from bothy.core.trips import pieces as p
from bothy.core.trips import places as k

# what lasts from step to step beside the stores and the snow
E, CABIN, CELL, DAMP, OPEN, COLD_H, EVENTS, STATE_SIZE = range(8)
"""Energy in the bank in Wh; cabin and cells in °C; vapour pressure in Pa; 1 while the disconnect is open; hours that it was too cold in a row; how many events
were written down."""


@piece
def begun(plan: Array, days: Array, bank: Array, out_c: float, mean_c: float, tot: Array, state: Array, store: Array, snow: Array, off: Array) -> None:
    """Everything as it is when the trip begins."""
    state[:] = 0.0
    state[E] = plan[k.SOC_START] * bank[c.E_NOM]
    state[CABIN] = plan[k.SET_NIGHT] if plan[k.HEATER] != k.NO_HEATER and days[0, k.D_PERSONS] > 0 else out_c
    state[CELL] = state[CABIN] if plan[k.BANK_INSIDE] != 0 else out_c
    if plan[k.BANK_HEATER] == k.KEPT_WARM:
        state[CELL] = max(state[CELL], k.HEATED_C)
    state[DAMP] = days[0, k.D_RH] * p.saturation(mean_c)
    store[:] = 0.0
    store[p.W_FRESH], store[p.W_GAS], store[p.W_DIESEL], store[p.W_CAN] = plan[k.FRESH], plan[k.GAS], plan[k.DIESEL], plan[k.GEN_STORE]
    snow[:] = 0.0
    off[:] = 0.0
    tot[k.FIRST_BAY] = tot[k.FIRST_GEN] = -1.0
    for n in range(k.FIRST_ELECTRICITY, k.FIRST_DIESEL + 1):
        tot[n] = -1.0
    tot[k.LEAST_SOC], tot[k.LEAST_CABIN], tot[k.MOST_CABIN], tot[k.LEAST_CELL] = 2.0, 1e9, -1e9, 1e9


@piece
def ended(nominal: float, tot: Array, state: Array, store: Array) -> None:
    """What is left at the end."""
    tot[k.END_SOC], tot[k.END_GEN] = state[E] / nominal, store[p.W_CAN]
    tot[k.END_FRESH], tot[k.END_GREY], tot[k.END_TOILET] = store[p.W_FRESH], store[p.W_GREY], store[p.W_TOILET]
    tot[k.END_GAS], tot[k.END_DIESEL] = store[p.W_GAS], store[p.W_DIESEL]


@piece
def extremes(nominal: float, tot: Array, state: Array, aim: float, dt: float) -> None:
    """The lowest and the highest so far, and the longest cold."""
    state[COLD_H] = state[COLD_H] + dt if state[CABIN] < aim - k.COLD_BY_K else 0.0
    tot[k.COLD_RUN_H] = max(tot[k.COLD_RUN_H], state[COLD_H])
    tot[k.LEAST_CELL] = min(tot[k.LEAST_CELL], state[CELL])
    tot[k.LEAST_SOC] = min(tot[k.LEAST_SOC], state[E] / nominal)
    tot[k.LEAST_CABIN], tot[k.MOST_CABIN] = min(tot[k.LEAST_CABIN], state[CABIN]), max(tot[k.MOST_CABIN], state[CABIN])


@piece
def drives(day: Array, h: float) -> bool:
    """Whether it drives at an hour of the day."""
    again = day[k.D_AGAIN] <= h < day[k.D_AGAIN] + day[k.D_AGAIN_HOURS]
    return day[k.D_START] <= h < day[k.D_START] + day[k.D_HOURS] or again


@piece
def asked(
    plan: Array, store: Array, persons: float, h: float, cabin: float, t_out: float, ghi: float, shore: bool, keeps: tuple[float, float], dt: float
) -> tuple[float, float, float, float, float, float, float, float, float, float, float]:
    """What the cabin gains and how it holds warmth (W, W/K, part of it after a step); then what heater and cooler aim at, should, can and take (see there)."""
    gains = plan[k.APERTURE] * ghi + plan[k.GAIN] + persons * plan[k.PERSON]
    ua, keep = plan[k.UA], keeps[0]
    if persons > 0 and cabin > k.OPEN_C and t_out < cabin - k.COOLER_K:
        ua, keep = plan[k.UA] + plan[k.VENT_UA], keeps[1]
    aim, want, q, el, el_mains = -1e9, 0.0, 0.0, 0.0, 0.0
    if plan[k.HEATER] != k.NO_HEATER and persons > 0:
        aim, want, q, el, el_mains = p.heat_wanted(plan, store, h, ua, keep, cabin, t_out, gains, shore, dt)
    want_cool, cool, el_cool = 0.0, 0.0, 0.0
    if plan[k.COOL_W] > 0 and persons > 0 and plan[k.COOL_FROM] <= h < plan[k.COOL_TO] and (shore or plan[k.COOL_SHORE] == 0):
        want_cool, cool, el_cool = p.cold_wanted(plan, ua, keep, cabin, t_out, gains)
    return gains, ua, keep, aim, want, q, el, el_mains, want_cool, cool, el_cool


@piece
def book_sources(led: Array, dt: float, pv: float, used_pv: float, used_dcdc: float, used_shore: float, shore_ac: float, ghi: float) -> None:
    """Where the energy came from; all in W, light in W/m²."""
    led[k.PV_AVAILABLE] += pv * dt
    led[k.PV_USED] += used_pv * dt
    led[k.CURTAILED] += (pv - used_pv) * dt
    led[k.DCDC_USED] += used_dcdc * dt
    led[k.SHORE_DC] += used_shore * dt
    led[k.SHORE_AC] += shore_ac * dt
    led[k.GHI] += ghi * dt / 1000


@piece
def book_loads(led: Array, dt: float, wanted: float, served: float, unserved: float, shed: float, inverter_loss: float) -> None:
    """What was asked for and what became of it; all in W."""
    led[k.DEMAND] += wanted * dt
    led[k.SERVED] += served * dt
    led[k.UNSERVED] += unserved * dt
    led[k.SHED] += shed * dt
    led[k.INVERTER_LOSS] += inverter_loss * dt


@piece
def book_bank(led: Array, dt: float, b_in: float, b_out: float, loss_wh: float, leak_wh: float, stored_wh: float, heater_w: float) -> None:
    """What the bank took, gave and lost; in and out in W."""
    led[k.BATTERY_IN] += b_in * dt
    led[k.BATTERY_OUT] += b_out * dt
    led[k.BATTERY_LOSS] += loss_wh
    led[k.SELF_LOSS] += leak_wh
    led[k.STORED] += stored_wh
    led[k.BANK_HEAT] += heater_w * dt


@piece
def book_cabin(led: Array, dt: float, q: float, want: float, cool: float, want_cool: float, gains: float, out_w: float, stored_wh: float) -> None:
    """What warmed and cooled the cabin; in W but for what it stored."""
    led[k.HEAT] += q * dt
    led[k.HEAT_MISSING] += (want - q) * dt
    led[k.COOL] += cool * dt
    led[k.COOL_MISSING] += (want_cool - cool) * dt
    led[k.GAINS] += gains * dt
    led[k.HEAT_OUT] += out_w * dt
    led[k.HEAT_STORED] += stored_wh


@piece
def keep_row(row: Array, nominal: float, state: Array, store: Array, pv: float, served: float, sources: float, q: float, cool: float) -> None:
    """Keep the end of a step for the pictures."""
    row[k.S_SOC] = state[E] / nominal
    row[k.S_FRESH], row[k.S_GREY], row[k.S_TOILET] = store[p.W_FRESH], store[p.W_GREY], store[p.W_TOILET]
    row[k.S_GAS], row[k.S_DIESEL], row[k.S_GEN] = store[p.W_GAS], store[p.W_DIESEL], store[p.W_CAN]
    row[k.S_CABIN], row[k.S_PV], row[k.S_LOAD], row[k.S_SOURCES] = state[CABIN], pv, served, sources
    row[k.S_RH], row[k.S_HEAT], row[k.S_COOL] = state[DAMP] / p.saturation(state[CABIN]), q, cool


@piece
def mains_now(plan: Array, day: Array, store: Array, tot: Array, h: float, driving: bool, now: float) -> tuple[bool, bool]:
    """Whether there is mains from outside, and whether the generator makes it; with nothing left to burn it makes none."""
    shore = day[k.D_MAINS_FROM] <= h < day[k.D_MAINS_TO] and not driving
    generating = shore and day[k.D_BY_GENERATOR] != 0
    if generating and p.generator_left(plan, store) <= 0:
        p.first_at(tot, k.FIRST_GEN, now)
        return False, False
    return shore, generating


@piece
def closes_again(plan: Array, bank: Array, soc: float, floor: float, shore: bool, driving: bool) -> bool:
    """Whether an open disconnect closes: enough came back, or something else charges."""
    return soc >= min(0.98, floor + bank[c.RECONNECT] - bank[c.FLOOR]) or (shore and plan[k.CHARGER] > 0) or (driving and plan[k.DCDC] > 0)


@piece
def mains_side(plan: Array, day: Array, ac_live: float, ac_all: float, shore: bool, cut: bool) -> tuple[float, float, float, float, float]:
    """Mains loads in W: what comes from outside, what that lacks, what it leaves to charge with, what is left to the inverter, and what the inverter draws."""
    if shore:
        shore_ac = min(ac_all, day[k.D_MAINS_W])
        offer = min(plan[k.CHARGER], max(0.0, day[k.D_MAINS_W] - shore_ac) * plan[k.ETA_CHARGER])
        return shore_ac, ac_all - shore_ac, offer, 0.0, 0.0
    inverter = 0.0
    if plan[k.INVERTER] != 0 and not cut and (ac_live > 0 or plan[k.ALWAYS] != 0):
        inverter = plan[k.IDLE] + ac_live / plan[k.ETA_INVERTER]
    return 0.0, 0.0, 0.0, ac_live, inverter


@piece
def stores_used(
    plan: Array,
    store: Array,
    led: Array,
    tot: Array,
    h: float,
    persons: float,
    heat_wh: float,
    fuel_short: bool,
    generating: bool,
    mains_w: float,
    now: float,
    dt: float,
) -> None:
    """Fuel that heater, cooking and generator burn, and water."""
    share = persons / 15 * dt if 7 <= int(h) <= 21 else 0.0
    p.fuel_burnt(plan, store, led, tot, heat_wh / 1000 / plan[k.ETA_HEATER] if heat_wh > 0 else 0.0, fuel_short, share, now)
    if generating:
        p.generator_burnt(plan, store, led, mains_w, dt)
        tot[k.GEN_H] += dt
    p.water_used(plan, store, led, tot, share, now)


@piece
def step(
    dt: float,
    h: float,
    j: int,
    i: int,
    day: Array,
    weather: tuple[float, float, float, float, float, float],
    panels: tuple[Array, Array, Array],
    light: tuple[Array, Array, Array, Array],
    dc: Array,
    ac: Array,
    plan: Array,
    bank: Array,
    keeps: tuple[float, float],
    led: Array,
    tot: Array,
    events: Array,
    state: Array,
    store: Array,
    snow: Array,
    off: Array,
    series: Array,
    draw: int,
    at: int,
) -> tuple[bool, bool]:
    """One step of one draw; whether snow took some of the sun, and whether electricity was short. ``series`` keeps the step where it has room.

    ``weather``: extraterrestrial light in W/m², cosine of the zenith, clearness, diffuse part, air in °C, its vapour pressure in Pa. ``light`` and
    ``panels``: of :func:`draws`.
    """
    g0n, cz, kt, diffuse, t_out, outside_damp = weather
    nominal, persons, cabin, cell, e = bank[c.E_NOM], day[k.D_PERSONS], state[CABIN], state[CELL], state[E]
    driving = drives(day, h)
    if i == int(day[k.D_REFILL_STEP]):
        p.filled(plan, int(day[k.D_REFILLS]), store)
    begins, now = j + i * dt / 24, j + (i + 1) * dt / 24
    shore, generating = mains_now(plan, day, store, tot, h, driving, now)
    p.snow_goes(plan, snow, t_out, persons > 0, h, dt)
    ghi, pv, snowed = 0.0, 0.0, False
    if cz > 0:
        ghi, pv, snowed = p.sun_w(plan, panels, light, j, i, snow, led, g0n, cz, kt, diffuse, t_out, driving, int(h), dt)
    gains, ua, keep, aim, want, q, el, el_mains, want_cool, cool, el_cool = asked(plan, store, persons, h, cabin, t_out, ghi, shore, keeps, dt)
    fuel_short = q < want - 1e-9
    fridge = plan[k.FRIDGE_W] * min(1.0, plan[k.FRIDGE_DUTY] * p.fridge_ratio(cabin, plan[k.FRIDGE_IN], plan[k.FRIDGE_REF])) if plan[k.FRIDGE_W] > 0 else 0.0
    # what is live
    soc, floor = e / nominal, c.floor_at(bank, cell)
    count = p.tiers_switched(plan, off, events, int(state[EVENTS]), soc, shore, begins)
    cut = state[OPEN] != 0
    if cut and closes_again(plan, bank, soc, floor, shore, driving):
        cut = False
        count = p.noted(events, count, begins, k.E_RECONNECT)
    dc_live, ac_live, ac_all, dead, dead_need = p.loads_w(plan, dc, ac, j, i, off, cut, shore, fridge, el, el_mains, el_cool)
    heat_live, cool_live = off[int(plan[k.HEATER_TIER])] == 0 and not cut, off[int(plan[k.COOL_TIER])] == 0 and not cut
    shore_ac, ac_short, offer_shore, ac_live, inverter = mains_side(plan, day, ac_live, ac_all, shore, cut)
    # bank
    env_c = cabin if plan[k.BANK_INSIDE] != 0 else t_out
    offer_dcdc = plan[k.DCDC] if driving and soc < plan[k.DCDC_BELOW] else 0.0
    offered, demand = pv + offer_shore + offer_dcdc, dc_live + inverter
    el_bank = p.bank_heater_w(plan, bank, cell, env_c, cut, offered - demand, dt)
    demand += el_bank
    leak = c.self_discharge(bank, e, dt)
    before = e
    e, b_in, b_out, short, needed, loss = p.bank_works(bank, tot, e - leak, cell, floor, offered, demand, dt)
    used_pv, used_shore, used_dcdc = p.shared_out(plan, needed, pv, offer_shore, offer_dcdc)
    part = 1 - short / demand if demand > 0 else 1.0
    was_cut = cut
    if short > 1e-9 and e <= (floor + 1e-9) * nominal and not cut:
        cut = True
        count = p.noted(events, count, now, k.E_DISCONNECT)
    # temperatures and damp
    q = q * part if heat_live else 0.0
    if plan[k.COOL_AC] != 0 and plan[k.INVERTER] == 0 and not shore:
        cool_live = False
    cool = cool * part if cool_live else 0.0
    end = t_out + (q + gains - cool) / ua
    then = end + (cabin - end) * keep
    mean_cabin = end + (cabin - end) * (1 - keep) * plan[k.C_CABIN] / (ua * dt)
    state[E], state[CABIN], state[OPEN], state[EVENTS] = e, then, 1.0 if cut else 0.0, count
    state[CELL] = c.warmed(bank, cell, env_c, loss + el_bank * part * dt, dt)
    state[DAMP] = p.damp_then(plan, led, tot, state[DAMP], outside_damp, then, t_out, persons, plan[k.DAY_FROM] <= h < plan[k.DAY_TO], dt)
    stores_used(plan, store, led, tot, h, persons, q * dt, fuel_short, generating, shore_ac + used_shore / plan[k.ETA_CHARGER], now, dt)
    served = demand - short + shore_ac
    book_sources(led, dt, pv, used_pv, used_dcdc, used_shore, shore_ac, ghi)
    unserved = short + ac_short + (dead if was_cut else 0.0)
    book_loads(led, dt, demand + shore_ac + ac_short + dead, served, unserved, 0.0 if was_cut else dead, (inverter - ac_live) * part if inverter > 0 else 0.0)
    book_bank(led, dt, b_in, b_out, loss, leak, e - before, el_bank * part)
    book_cabin(led, dt, q, want, cool, want_cool, gains, ua * (mean_cabin - t_out), plan[k.C_CABIN] * (then - cabin))
    led[k.HEATER_EL] += (el + el_mains) * part * dt if heat_live else 0.0
    led[k.COOLER_EL] += el_cool * part * dt if cool_live else 0.0
    extremes(nominal, tot, state, aim, dt)
    p.comfort(plan, tot, store, then, t_out, persons, now, dt)
    if series.shape[0] > 0:
        keep_row(series[draw, at], nominal, state, store, pv, served, used_pv + used_shore + used_dcdc + shore_ac, q, cool)
    lacks = (short + ac_short + dead_need) * dt > k.TINY
    if lacks:
        p.first_at(tot, k.FIRST_ELECTRICITY, now)
    return snowed, lacks


@piece
def draws(
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
    lasting: tuple[Array, Array, Array, Array],
) -> None:
    """Simulate draws ``first_draw`` to ``last_draw`` (excluded); the six arrays from ``ledger`` on are filled.

    ``cos_z``, ``unit``, ``swing_at`` are by day and step; ``planes`` (cosine of incidence) by day, step and heading of an array, ``heads`` says which
    headings are whose; ``sky``, ``ground``, ``on`` by day, step and array; ``clear``, ``diffuse``, ``mean_c``, ``swing_c`` by draw and day; loads by day,
    step and tier in W. ``series`` is of this block's draws; it may have none: then nothing is kept. ``lasting`` is room for what lasts from step to step.
    """
    day_count, steps = cos_z.shape
    keeps = math.exp(-plan[k.UA] * dt / plan[k.C_CABIN]), math.exp(-(plan[k.UA] + plan[k.VENT_UA]) * dt / plan[k.C_CABIN])
    state, store, snow, off = lasting
    for d in range(first_draw, last_draw):
        led, tot = ledger[d], summary[d]
        begun(plan, days, bank, mean_c[d, 0] + swing_c[d, 0] / 2 * swing_at[0, 0], mean_c[d, 0], tot, state, store, snow, off)
        for j in range(day_count):
            day = days[j]
            p.snow_falls(plan, snow, mean_c[d, j], clear[d, j], day[k.D_CLEARNESS])
            damp = day[k.D_RH] * p.saturation(mean_c[d, j])
            snowed = short = False
            for i in range(steps):
                one, other = step(
                    dt, hours[i], j, i, day,
                    (day[k.D_OUTSIDE], cos_z[j, i], clear[d, j] * unit[j, i], diffuse[d, j], mean_c[d, j] + swing_c[d, j] / 2 * swing_at[j, i], damp),
                    (arrays, heads, shade), (planes, sky, ground, on), dc, ac, plan, bank, keeps,
                    led, tot, events[d], state, store, snow, off, series, d - first_draw, j * steps + i,
                )  # fmt: skip
                snowed |= one
                short |= other
            if snowed:
                tot[k.SNOW_DAYS] += 1
            if short:
                short_day[d, j] = 1
                tot[k.SHORT_DAYS] += 1
        ended(bank[c.E_NOM], tot, state, store)
        event_count[d] = state[EVENTS]


def run(first_draw: int, last_draw: int, dt: float, *arrays: Array) -> None:
    """Simulate draws ``first_draw`` to ``last_draw`` (excluded) on the arrays of :func:`draws`."""
    draws(first_draw, last_draw, dt, *arrays, (np.empty(STATE_SIZE), np.empty(p.STORE_SIZE), np.empty(p.SNOW_SIZE), np.empty(3)))
