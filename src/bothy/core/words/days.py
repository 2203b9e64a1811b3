"""A day as it is said."""

from __future__ import annotations

import datetime as dt

from bothy.core.catalogue.climates import MONTHS


def in_words(day: dt.date, *, year: bool = False) -> str:
    """5 April, or 5 April 2027."""
    return f"{day.day} {MONTHS[day.month - 1]}{f' {day.year}' if year else ''}"
