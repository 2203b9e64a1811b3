"""Where a rising function reaches a target: the one root finder of the sums."""

from __future__ import annotations

from collections.abc import Callable

from scipy.optimize import brentq

FINEST = 1e-15
"""Closest that a root is asked for, in the unit of what is sought: m³/s of a trickle are as small as 1e-6."""


def reached(rising: Callable[[float], float], target: float, low: float, high: float) -> float:
    """Where a rising function reaches ``target`` between ``low`` and ``high``: the end where it is past it at the start, or not there yet at the end.
    Brent's method; at a jump the place of the jump."""
    if rising(low) >= target:
        return low
    if rising(high) <= target:
        return high
    return float(brentq(lambda x: rising(x) - target, low, high, xtol=FINEST, maxiter=300, disp=False))
