"""How a text of a catalogue writes a number: ``{ FIX($length_m, digits: 1) } m``. A number comes in with all its digits."""

from __future__ import annotations

from typing import Any


def fix(x: str, digits: int = 0) -> str:
    """With so many digits after the point."""
    return f"{float(x):.{int(digits)}f}"


def short(x: str, digits: int = 6) -> str:
    """With at most so many digits that count, and no more than it has."""
    return f"{float(x):.{int(digits)}g}"


def grouped(x: str, digits: int = 0) -> str:
    """With so many digits after the point, its thousands apart."""
    return f"{float(x):,.{int(digits)}f}"


def signed(x: str, digits: int = 0) -> str:
    """With its sign, also where it is more than nothing."""
    return f"{float(x):+.{int(digits)}f}"


def per_cent(x: str, digits: int = 0) -> str:
    """A share of one in per cent."""
    return f"{float(x):.{int(digits)}%}"


FUNCTIONS: dict[str, Any] = {"FIX": fix, "SHORT": short, "GROUPED": grouped, "SIGNED": signed, "PER_CENT": per_cent}
"""As they are called in the catalogues. What is no number raises :class:`ValueError` where it is put in."""
