"""One step of a battery, compiled: limits of current, energy and temperature (method trips.battery-step).

Energy is kept at a constant reference voltage, so that every step balances exactly. A bank is a flat array of numbers; its places have names here.
"""

from __future__ import annotations

import math

import numpy as np

from bothy.core.jit import piece
from bothy.core.sun.geometry import Array

(
    U,
    E_NOM,
    R_OHM,
    I_20,
    ETA,
    MAX_CHARGE,
    MAX_DISCHARGE,
    TAIL,
    TAPER,
    FLOOR,
    RECONNECT,
    CEILING,
    PEUKERT,
    SELF,
    COLDEST,
    HEAT_CAPACITY,
    HEAT_LOSS,
    CAPACITY,
    KIND,
) = range(19)
FACTORS = 19
"""Six capacity factors follow, at the temperatures below."""
SIZE = 25
LIFEPO4, NMC, LEAD = 0.0, 1.0, 2.0
TEMPS = np.array([-20.0, -10.0, 0.0, 10.0, 25.0, 40.0])
HOURS_A_MONTH = 730.5


@piece
def floor_at(bank: Array, temp_c: float) -> float:
    """Least state of charge at a temperature: cold hides charge, which comes back when it is warm."""
    factor = bank[FACTORS]
    if temp_c >= TEMPS[5]:
        factor = bank[FACTORS + 5]
    elif temp_c > TEMPS[0]:
        for i in range(5):
            if temp_c < TEMPS[i + 1]:
                part = (temp_c - TEMPS[i]) / (TEMPS[i + 1] - TEMPS[i])
                factor = bank[FACTORS + i] + (bank[FACTORS + i + 1] - bank[FACTORS + i]) * part
                break
    return 1 - min(1.0, factor) * (1 - bank[FLOOR])


@piece
def warm_charge_a(bank: Array, temp_c: float) -> float:
    """Largest charge current at a cell temperature, in A (method power.cold)."""
    full = bank[MAX_CHARGE]
    c = bank[CAPACITY]
    if bank[KIND] == LEAD:
        if temp_c < -15 or temp_c > 50:
            return 0.0
        return min(0.10 * c, full) if temp_c < 0 or temp_c > 40 else full
    if temp_c < 0 or temp_c > 45:
        return 0.0
    if bank[KIND] == LIFEPO4:
        return min(0.10 * c, full) if temp_c < 5 else min(0.20 * c, full) if temp_c < 10 else full
    return min(0.20 * c, full) if temp_c < 10 else full


@piece
def self_discharge(bank: Array, e: float, dt: float) -> float:
    """Energy that leaks away in ``dt`` hours, in Wh."""
    return e * bank[SELF] / HOURS_A_MONTH * dt


@piece
def charge_room_w(bank: Array, e: float, temp_c: float, dt: float) -> float:
    """Largest power it takes over a step, in W at its terminals."""
    limit = bank[MAX_CHARGE]
    soc = e / bank[E_NOM]
    if soc > bank[TAPER]:
        limit = max(min(bank[MAX_CHARGE], bank[TAIL]), bank[MAX_CHARGE] * (1 - soc) / (1 - bank[TAPER]))
    limit = min(limit, warm_charge_a(bank, temp_c), max(0.0, bank[CEILING] * bank[E_NOM] - e) / (bank[ETA] * bank[U] * dt))
    limit = max(0.0, limit)
    return limit * (bank[U] + limit * bank[R_OHM])


@piece
def discharge_room_w(bank: Array, e: float, temp_c: float, dt: float) -> float:
    """Largest power it gives over a step, in W at its terminals."""
    if temp_c < bank[COLDEST]:
        return 0.0
    x = max(0.0, e - floor_at(bank, temp_c) * bank[E_NOM]) / (bank[U] * dt)
    k = bank[PEUKERT]
    by_energy = x if x <= bank[I_20] or k == 1.0 else (x * bank[I_20] ** (k - 1)) ** (1 / k)
    limit = min(bank[MAX_DISCHARGE], by_energy)
    if bank[R_OHM] > 0:
        limit = min(limit, bank[U] / (2 * bank[R_OHM]))
    return limit * (bank[U] - limit * bank[R_OHM])


@piece
def charged(bank: Array, e: float, watts: float, dt: float) -> tuple[float, float, float]:
    """After charging with a power: energy in Wh, current in A, loss in Wh."""
    r, u = bank[R_OHM], bank[U]
    amps = watts / u if r == 0 else (-u + math.sqrt(u * u + 4 * r * watts)) / (2 * r)
    kept = bank[ETA] * u * amps * dt
    return e + kept, amps, watts * dt - kept


@piece
def discharged(bank: Array, e: float, watts: float, dt: float) -> tuple[float, float, float]:
    """After giving a power: energy in Wh, current in A (positive out), loss in Wh."""
    r, u = bank[R_OHM], bank[U]
    amps = watts / u if r == 0 else (u - math.sqrt(max(0.0, u * u - 4 * r * watts))) / (2 * r)
    factor = max(1.0, (amps / bank[I_20]) ** (bank[PEUKERT] - 1)) if amps > 0 else 1.0
    taken = factor * u * amps * dt
    return e - taken, amps, taken - watts * dt


@piece
def warmed(bank: Array, temp_c: float, env_c: float, loss_wh: float, dt: float) -> float:
    """Temperature after a step with a loss inside, in °C."""
    if bank[HEAT_LOSS] <= 0:
        return temp_c + loss_wh / bank[HEAT_CAPACITY]
    end = env_c + loss_wh / dt / bank[HEAT_LOSS]
    return end + (temp_c - end) * math.exp(-bank[HEAT_LOSS] * dt / bank[HEAT_CAPACITY])


@piece
def warming_w(bank: Array, temp_c: float, env_c: float, aim_c: float, dt: float) -> float:
    """Power in W that brings the cells to a temperature at the end of a step, from nothing but that; 0 where they are warm by themselves."""
    if bank[HEAT_LOSS] <= 0:
        return max(0.0, bank[HEAT_CAPACITY] * (aim_c - temp_c) / dt)
    keep = math.exp(-bank[HEAT_LOSS] * dt / bank[HEAT_CAPACITY])
    return max(0.0, bank[HEAT_LOSS] * ((aim_c - temp_c * keep) / (1 - keep) - env_c))
