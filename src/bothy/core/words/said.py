"""A sentence of the core as its reader has it. The same in the browser (web/src/data/said.ts); both are held to the same cases."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable, Iterator
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from bothy.core.design.document import Design
from bothy.core.region import RegionKey
from bothy.core.words.terms import in_region

UnitSystem = Literal["metric", "us"]


@dataclass(frozen=True, slots=True)
class Reader:
    """Who reads: the units of the person, the terms of the region, and what was typed and stays: ``names`` that hold an amount (“Chest fridge 50 L”), and
    one's own sentences."""

    units: UnitSystem = "metric"
    region: RegionKey = "uk"
    names: tuple[str, ...] = ()


METRIC_UK = Reader()
IN_US: dict[str, tuple[str, Callable[[float], float]]] = {
    "km": ("mi", lambda x: x / 1.609344),
    "km/h": ("mph", lambda x: x / 1.609344),
    "m": ("ft", lambda x: x / 0.3048),
    "cm": ("in", lambda x: x / 2.54),
    "mm": ("in", lambda x: x / 25.4),
    "m²": ("ft²", lambda x: x / 0.09290304),
    "cm²": ("in²", lambda x: x / 6.4516),
    "mm²": ("in²", lambda x: x / 645.16),
    "m³": ("ft³", lambda x: x / 0.028316846592),
    "m³/h": ("CFM", lambda x: x / 1.69901082),
    "m/s": ("ft/s", lambda x: x / 0.3048),
    "L": ("gal", lambda x: x / 3.785411784),
    "mL": ("fl oz", lambda x: x / 29.5735295625),
    "L/min": ("gal/min", lambda x: x / 3.785411784),
    "g of water": ("oz of water", lambda x: x / 28.349523125),
    "g of water per m²": ("grains of water per ft²", lambda x: x * 15.4323584 * 0.09290304),
    "g/h": ("oz/h", lambda x: x / 28.349523125),
    "kg": ("lb", lambda x: x / 0.45359237),
    "kg·m": ("lb·ft", lambda x: x / 0.45359237 / 0.3048),
    "N·m": ("lb·ft", lambda x: x / 1.3558179483),
    "kg/h": ("lb/h", lambda x: x / 0.45359237),
    "°C": ("°F", lambda x: x * 1.8 + 32),
    "K": ("°F", lambda x: x * 1.8),
    "kPa": ("psi", lambda x: x / 6.894757293168),
    "bar": ("psi", lambda x: x * 14.5037737730209),
    "mbar": ("inWC", lambda x: x / 2.4908891),
    "kN": ("lbf", lambda x: x / 0.0044482216152605),
    "N": ("lbf", lambda x: x / 4.4482216152605),
    "W/(m²K)": ("BTU/(h·ft²·°F)", lambda x: x / 5.678263341),
    "W/(m·K)": ("BTU·in/(h·ft²·°F)", lambda x: x * 6.933471799),
    "m²K/W": ("h·ft²·°F/BTU", lambda x: x * 5.678263341),
    "W/K": ("BTU/(h·°F)", lambda x: x / 0.5275279),
    "kg/m²": ("lb/ft²", lambda x: x * 0.204816144),
    "kg/m³": ("lb/ft³", lambda x: x * 0.062427961),
    "/kg": ("/lb", lambda x: x / 2.2046226218),
    "m/s of wind": ("mph of wind", lambda x: x / 0.44704),
    "mm² of opening": ("in²", lambda x: x / 645.16),
    "W of heat": ("BTU/h", lambda x: x * 3.4121416),
    "kW of heat": ("BTU/h", lambda x: x * 3412.1416),
}
SHORT_M = 0.6
"""Metres below which a length is read in inches: half a foot is nobody’s measure."""
INCHES: tuple[str, Callable[[float], float]] = ("in", lambda x: x / 0.0254)
_UNITS = "|".join(re.escape(u) for u in sorted(IN_US, key=len, reverse=True))
_NUMBER = r"[-−]?\d[\d\u202f,]*(?:\.\d+)?"
_SAID = re.compile(rf"(?<![\w.,])({_NUMBER}(?:(?: to | × | and | of |–){_NUMBER})*)(\s?)({_UNITS})(?![\w²³/·(])")
_JOINT = re.compile(r"( to | × | and | of |–)")
_KELVIN = re.compile(r"(?<=\d[\s\u202f\xa0])K(?![\w²³/·(])")
"""A difference of temperature: “5 °C warmer” to who reads Celsius."""
_MONTHS = "January|February|March|April|May|June|July|August|September|October|November|December|Jan|Feb|Mar|Apr|Jun|Jul|Aug|Sept|Sep|Oct|Nov|Dec"
_DAY = re.compile(
    rf"(?:\b((?:Mon|Tue|Wed|Thu|Fri|Sat|Sun)(?:day|sday|nesday|rsday|urday)?),? )?"
    rf"(?<![\w.,/])(\d{{1,2}})((?: to |–| and )\d{{1,2}})? ({_MONTHS})\b(?: (\d{{4}})\b)?"
)
"""A day of the year: “Sun 16 May 2027”, “25 to 28 April”."""
COPPER = ("wiring", "power", "prove")
"""Stages whose square millimetres are copper: read as such, or as a gauge, everywhere."""


def _digits(said: str, out: float) -> int:
    """Digits that a number shows: as exact as it was, at least two. 75 kg are 165 lb, not 170; 1000 mm are 39.4 in."""
    count = len(said) - (len(said) > 3 and said.endswith("0"))
    leads = f"{abs(out):e}"[:4] if out else "9"
    finer = bool(said) and float(leads) < float(f"{said[0]}.{said[1:3] or 0}")
    return max(2, min(4, count + (finer and count < 3)))


def _value(text: str) -> float:
    return float(re.sub(r"[\u202f,]", "", text).replace("−", "-"))


def _number(text: str, to: tuple[str, Callable[[float], float]]) -> str:
    unit, turn = to
    out = turn(_value(text))
    digits = _digits(re.sub(r"\D", "", text).lstrip("0"), out)
    if unit in ("BTU/h", "lbf") and abs(out) >= 100:  # to what can be acted on: 4 880, not 4 879
        return f"{float(f'{out:.3g}'):,.0f}".replace("-", "−")
    if abs(out) >= 1000 or unit == "°F":
        shown = f"{round(out):,}"
    else:
        shown = f"{float(f'{out:.{digits}g}'):g}"
    return shown.replace("-", "−")


def _turned(piece: str, copper: bool) -> str:
    def turn(m: re.Match[str]) -> str:
        numbers, gap, unit = m.groups()
        if copper and (unit == "mm²" or unit.endswith("W of heat")):  # heat at a joint is what the meter says
            return m[0]
        parts = _JOINT.split(numbers)
        count = unit != "mm" and len(parts) == 3 and parts[1] == " × " and parts[0].isdigit()  # “2 × 0.26 m” are two of them
        amounts = {n: p for n, p in enumerate(parts) if not (n % 2 or (count and n == 0))}
        to = INCHES if unit == "m" and all(abs(_value(p)) < SHORT_M for p in amounts.values()) else IN_US[unit]
        turned = [_number(p, to) if n in amounts else p for n, p in enumerate(parts)]
        return f"{''.join(turned)}{gap or chr(0xA0)}{to[0]}"

    return _SAID.sub(turn, piece)


def column(heading: str, reader: Reader) -> tuple[str, Callable[[float], float] | None]:
    """A column's heading that ends in its unit, as its reader has it, and what turns its numbers; None: they stay."""
    words, _, unit = heading.rpartition(" ")
    if reader.units != "us" or not words or unit not in IN_US or unit == "mm²":
        return in_region(heading, reader.region), None
    to, turn = IN_US[unit]
    return f"{in_region(words, reader.region)} {to}", turn


def typeset(text: str) -> str:
    """Numbers in one way: a thin space between thousands and before per cent, a true minus."""
    text = re.sub(r"(?<=\d),(?=\d{3}(?!\d))", "\u202f", text)
    text = re.sub(r"(?<![\w.–-])-(?=\d)", "−", text)
    return re.sub(r"(?<=\d) ?%(?!\w)", "\u202f%", text)


def names_in(x: object) -> Iterator[str]:
    """What stands under “name”, anywhere in plain data."""
    if isinstance(x, dict):
        if isinstance(name := x.get("name"), str):
            yield name
        x = list(x.values())
    for inner in x if isinstance(x, list) else ():
        yield from names_in(inner)


def names_with_amounts(x: object) -> tuple[str, ...]:
    """Names in plain data that hold an amount with a unit, the longest first."""
    return _longest_first(n for n in names_in(x) if _SAID.search(n))


def _longest_first(texts: Iterable[str]) -> tuple[str, ...]:
    """Each once, so that a longer one is found before what begins like it."""
    return tuple(sorted(set(texts), key=lambda n: (-len(n), n)))


OWN_WORDS = ("note", "description", "reason", "owner", "where", "open", "manuals")
"""Keys under which sentences of one's own stand."""
A_SENTENCE = 10
"""Characters from which on typed words are a sentence: a shorter one may be a term, which would then stay everywhere."""


def own_words_in(x: object) -> Iterator[str]:
    """Sentences that somebody typed, anywhere in plain data."""
    if isinstance(x, dict):
        for key in OWN_WORDS:
            at = x.get(key)
            texts = [at] if isinstance(at, str) else at.values() if isinstance(at, dict) else at if isinstance(at, list) else ()
            yield from (t for t in texts if isinstance(t, str) and len(t) >= A_SENTENCE)
        x = list(x.values())
    for inner in x if isinstance(x, list) else ():
        yield from own_words_in(inner)


def stays_as_typed(data: object, units: UnitSystem, region: RegionKey) -> tuple[str, ...]:
    """What was typed in a design and would be read otherwise by its reader, the longest first."""
    own = (t for t in own_words_in(data) if in_region(t, region) != t or (units == "us" and _SAID.search(t)))
    return _longest_first([*own, *(names_with_amounts(data) if units == "us" else ())])


def reader_of(design: Design, units: UnitSystem | None = None) -> Reader:
    """Who reads of a design in its region's terms: in the units asked for, else those of the region."""
    system = units or ("us" if design.region == "us" else "metric")
    return Reader(system, design.region, stays_as_typed(design.model_dump(mode="json"), system, design.region))


def _month_first(piece: str) -> str:
    """Days as an American has them: “Sun, May 16, 2027”, “April 25 to 28”."""

    def turn(m: re.Match[str]) -> str:
        weekday, day, more, month, year = m.groups()
        return f"{f'{weekday}, ' if weekday else ''}{month} {day}{more or ''}{f', {year}' if year else ''}"

    return _DAY.sub(turn, piece)


@lru_cache(maxsize=64)
def _kept(names: tuple[str, ...]) -> re.Pattern[str]:
    return re.compile("(" + "|".join(["“[^”]*”", *map(re.escape, names)]) + ")")


def said(text: str, reader: Reader, stage: str = "") -> str:
    """A sentence for its reader; ``stage`` says what it is about. What stands in quotation marks is a name, and stays."""
    pieces = _kept(reader.names).split(text)
    for i in range(0, len(pieces), 2):
        turned = _turned(pieces[i], stage in COPPER) if reader.units == "us" else _KELVIN.sub("°C", pieces[i])
        told = typeset(in_region(turned, reader.region))
        pieces[i] = _month_first(told) if reader.region == "us" else told
    return "".join(pieces)
