"""What water is like: density, viscosity, heat (method water.care)."""

from __future__ import annotations

HEAT_J_LK = 4186.0
"""Heat to warm a litre by a kelvin."""
WH_LK = HEAT_J_LK / 3600
ICE_J_L = 334000.0
COOLANT_J_LK = 3700.0
ATMOSPHERE_KPA = 101.325
FITTINGS: dict[str, float] = {
    "elbow_90": 0.9,
    "bend_90": 0.4,
    "elbow_45": 0.4,
    "tee_run": 0.3,
    "tee_branch": 1.2,
    "coupling": 0.1,
    "insert_coupling": 0.6,
    "reducer": 0.3,
    "valve_ball": 0.1,
    "valve_stop": 8,
    "valve_check": 2.5,
    "strainer": 2,
    "entry": 0.5,
    "exit": 1.0,
}
"""Loss coefficients (method water.pipe-loss, typical)."""


def density(temp_c: float) -> float:
    """kg/m³ at a temperature in °C, 0 to 95."""
    return 1000 * (1 - (temp_c + 288.9414) * (temp_c - 3.9863) ** 2 / (508929.2 * (temp_c + 68.12963)))


def viscosity(temp_c: float) -> float:
    """Pa·s at a temperature in °C, 0 to 95, within 2.5 %."""
    return 2.414e-5 * 10 ** (247.8 / (temp_c + 133.15))


def expansion(from_c: float, to_c: float) -> float:
    """How much larger water gets, as a share of its volume."""
    return density(from_c) / density(to_c) - 1
