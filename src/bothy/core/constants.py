"""Constants that more than one field works with, each once."""

G = 9.80665
"""Standard gravity in m/s² (ISO 80000-3)."""
ZERO_K = 273.15
"""0 °C in kelvin."""
R_GAS = 8.314462618
"""Molar gas constant in J/(mol·K) (CODATA 2018)."""
SEA_PA = 101325.0
"""Standard atmosphere at sea level in Pa (ISO 2533)."""
PERSON_W = 70.0
"""Heat that a resting person gives to the air, without that of the moisture, in W."""
PERSON_AWAKE_W = 80.0
"""The same of one who is up and about, as the trip counts people while they are awake."""
FULL_12_V = 14.6
"""Highest voltage of a 12 V system while it charges; 24 and 48 V are two and four times it."""


def full_voltage(nominal_v: float) -> float:
    """Highest voltage in V of a part of the system by its nominal one; mains and all else stay at the nominal."""
    return FULL_12_V * nominal_v / 12 if int(nominal_v) in (12, 24, 48) else nominal_v
