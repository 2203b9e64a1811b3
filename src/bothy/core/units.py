"""Quantities as people write them, to SI and back.

``parse("1,2 kW", "power")`` gives 1200.0 W. A text is a number, a unit, and for some dimensions a second
quantity after ``@`` ("5 A @ 12 V" is a power). Decimal comma and point, thousands gaps, fractions
("1 1/2 in", "6½ in"), feet with inches ("6' 6\"", "6 ft 6 in") and AWG sizes are understood; anything else is refused
in words that say what would be.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from typing import Any, Literal

from bothy.core.words.says import core_says as says

Dimension = Literal[
    "power",
    "current",
    "voltage",
    "energy",
    "charge",
    "length",
    "area",
    "mass",
    "time",
    "volume",
    "flow",
    "temperature",
    "fraction",
    "resistance",
    "count",
    "surface",
    "airflow",
    "pressure",
    "speed",
    "throughput",
    "force",
    "transmittance",
    "conductance",
    "price",
]

SI_UNIT: dict[str, str] = {
    "power": "W",
    "current": "A",
    "voltage": "V",
    "energy": "Wh",
    "charge": "Ah",
    "length": "m",
    "area": "mm²",
    "mass": "kg",
    "time": "h",
    "volume": "L",
    "flow": "L/min",
    "temperature": "°C",
    "fraction": "",
    "resistance": "mΩ",
    "count": "",
    "surface": "m²",
    "airflow": "m³/h",
    "pressure": "Pa",
    "speed": "m/s",
    "throughput": "kg/h",
    "force": "N",
    "transmittance": "W/(m²K)",
    "conductance": "W/K",
    "price": "/kg",
}

UNITS: dict[str, dict[str, float]] = {
    "power": {"w": 1, "watt": 1, "watts": 1, "kw": 1e3, "mw": 1e-3, "va": 1, "kva": 1e3, "hp": 745.7, "btu/h": 0.29307107, "btuh": 0.29307107},
    "current": {"a": 1, "amp": 1, "amps": 1, "ma": 1e-3, "ka": 1e3},
    "voltage": {"v": 1, "volt": 1, "volts": 1, "mv": 1e-3, "kv": 1e3},
    "energy": {"wh": 1, "kwh": 1e3, "mwh": 1e-3, "j": 1 / 3600, "kj": 1 / 3.6, "mj": 1e3 / 3.6, "btu": 0.2930711},
    "charge": {"ah": 1, "mah": 1e-3, "kah": 1e3},
    "length": {
        "m": 1,
        "mm": 1e-3,
        "cm": 1e-2,
        "km": 1e3,
        "in": 0.0254,
        "inch": 0.0254,
        "inches": 0.0254,
        '"': 0.0254,
        "ft": 0.3048,
        "feet": 0.3048,
        "foot": 0.3048,
        "'": 0.3048,
        "yd": 0.9144,
        "mi": 1609.344,
        "mile": 1609.344,
        "miles": 1609.344,
    },
    "area": {"mm2": 1, "mm²": 1, "mm^2": 1, "sqmm": 1, "sq mm": 1, "cm2": 100, "cm²": 100, "in2": 645.16, "in²": 645.16, "sq in": 645.16},
    "mass": {"kg": 1, "g": 1e-3, "t": 1e3, "lb": 0.45359237, "lbs": 0.45359237, "oz": 0.028349523125},
    "time": {
        "h": 1,
        "hr": 1,
        "hrs": 1,
        "hour": 1,
        "hours": 1,
        "min": 1 / 60,
        "mins": 1 / 60,
        "minutes": 1 / 60,
        "s": 1 / 3600,
        "sec": 1 / 3600,
        "ms": 1 / 3_600_000,
        "d": 24,
        "day": 24,
        "days": 24,
    },
    "volume": {
        "l": 1,
        "litre": 1,
        "litres": 1,
        "liter": 1,
        "liters": 1,
        "ml": 1e-3,
        "m3": 1e3,
        "m³": 1e3,
        "gal": 3.785411784,
        "gallon": 3.785411784,
        "gallons": 3.785411784,
        "us gal": 3.785411784,
        "imp gal": 4.54609,
        "pt": 0.473176473,
        "qt": 0.946352946,
    },
    "flow": {"l/min": 1, "lpm": 1, "l/h": 1 / 60, "gpm": 3.785411784, "gal/min": 3.785411784},
    "temperature": {"°c": 1, "c": 1, "degc": 1, "°f": 1, "f": 1, "degf": 1},
    "fraction": {"": 1, "%": 0.01, "percent": 0.01},
    "resistance": {
        **dict.fromkeys(("mohm", "mohms", "mω"), 1.0),
        **dict.fromkeys(("ohm", "ohms", "ω"), 1e3),
        **dict.fromkeys(("kohm", "kohms", "kω"), 1e6),
        **dict.fromkeys(("megohm", "megohms", "megω"), 1e9),
    },
    "count": {"": 1, "x": 1, "×": 1, "pcs": 1},
    "surface": {
        "m2": 1,
        "m²": 1,
        "m^2": 1,
        "sq m": 1,
        "sqm": 1,
        "cm2": 1e-4,
        "cm²": 1e-4,
        "mm2": 1e-6,
        "mm²": 1e-6,
        "ft2": 0.09290304,
        "ft²": 0.09290304,
        "sq ft": 0.09290304,
        "in2": 0.00064516,
        "in²": 0.00064516,
        "sq in": 0.00064516,
    },
    "airflow": {"m3/h": 1, "m³/h": 1, "cfm": 1.699011, "l/s": 3.6, "m3/min": 60, "m³/min": 60},
    "pressure": {"pa": 1, "hpa": 100, "mbar": 100, "kpa": 1e3, "bar": 1e5, "psi": 6894.757, "inh2o": 249.0889, "inwc": 249.0889},
    "speed": {"m/s": 1, "km/h": 1 / 3.6, "kmh": 1 / 3.6, "kph": 1 / 3.6, "mph": 0.44704, "ft/s": 0.3048, "kn": 1852 / 3600, "knots": 1852 / 3600},
    "throughput": {"kg/h": 1, "g/h": 1e-3, "lb/h": 0.45359237, "oz/h": 0.028349523125},
    "force": {"n": 1, "kn": 1e3, "dan": 10, "lbf": 4.4482216152605, "kgf": 9.80665},
    "transmittance": {
        **dict.fromkeys(("w/(m²k)", "w/m²k", "w/m2k", "w/(m2k)", "w/(m²·k)"), 1.0),
        **dict.fromkeys(("btu/(h·ft²·°f)", "btu/h·ft²·°f", "btu/(h ft2 f)", "btu/h/ft2/f"), 5.678263341),
    },
    "conductance": {"w/k": 1, "w/°c": 1, **dict.fromkeys(("btu/(h·°f)", "btu/h·°f", "btu/(h f)", "btu/h/f"), 0.5275279)},
    "price": {**dict.fromkeys(("/kg", "a kg"), 1.0), **dict.fromkeys(("/lb", "a lb"), 2.2046226218)},
}

EXAMPLES: dict[str, str] = {
    "power": '"60 W", "1.2 kW" or "5 A @ 12 V"',
    "current": '"5 A" or "250 mA"',
    "voltage": '"12 V" or "48 V"',
    "energy": '"350 Wh", "1.2 kWh" or "24 Ah @ 12 V"',
    "charge": '"100 Ah"',
    "length": '"3.5 m", "350 cm", "6 ft 6 in" or "3/4 in"',
    "area": '"6 mm2" or "10 AWG"',
    "mass": '"12 kg" or "26 lb"',
    "time": '"4 h", "20 min" or "1.5 h"',
    "volume": '"60 L" or "16 gal"',
    "flow": '"10 L/min" or "2.6 gpm"',
    "temperature": '"20 °C" or "68 °F"',
    "fraction": '"30 %" or "0.3"',
    "resistance": '"5 mohm" or "0.2 ohm"',
    "count": '"2"',
    "surface": '"0.5 m2", "5 ft2" or "9000 mm2"',
    "airflow": '"90 m3/h", "50 cfm" or "25 l/s"',
    "pressure": '"40 Pa", "2 bar" or "30 psi"',
    "speed": '"110 km/h", "65 mph" or "12 m/s"',
    "throughput": '"1.5 kg/h" or "3.3 lb/h"',
    "force": '"4 kN", "900 lbf" or "400 kgf"',
    "transmittance": '"0.9 W/m2K" or "0.16 BTU/(h·ft²·°F)"',
    "conductance": '"2.5 W/K" or "4.7 BTU/(h·°F)"',
    "price": '"2.40 /kg" or "1.10 /lb"',
}

AWG_NUMBER: dict[str, int] = {
    **{str(n): n for n in (20, 18, 16, 14, 12, 10, 8, 6, 4, 2, 1)},
    "1/0": 0,
    "2/0": -1,
    "3/0": -2,
    "4/0": -3,
}


def grammar() -> dict[str, Any]:
    """The tables of the grammar as plain data, for the front end, which reads quantities by itself while the server is away."""
    return {"units": UNITS, "si": SI_UNIT, "examples": EXAMPLES, "awg": AWG_NUMBER, "compound": COMPOUND, "fractions": _FRACTIONS}


class NotUnderstood(ValueError):
    """The text is not a quantity of that dimension; the message says what would be."""


@dataclass(frozen=True, slots=True)
class Quantity:
    """A parsed quantity in SI units, with the words for what was understood."""

    value: float
    unit: str
    dimension: str
    understood: str
    awg: str | None = None


def awg_area_mm2(awg: str) -> float:
    """Metal area of an AWG size in mm² (ASTM B258). Raises KeyError for an unknown size."""
    diameter_mm = 0.127 * 92 ** ((36 - AWG_NUMBER[awg]) / 39)
    return float(math.pi / 4 * diameter_mm**2)


_GROUPED = r"\d{1,3}(?:[\s'’]\d{3})+(?:[.,]\d+)?"
"""Thousands apart by a gap or an apostrophe."""
_PLAIN = r"\d[\d.,]*\d|\d|[.,]\d+"
_NUMBER = re.compile(
    rf"^\s*(?P<sign>[-+−–])?\s*(?:(?P<whole>\d+)(?:\s+|\s*-\s*)(?=\d+\s*/\s*\d))?(?:(?P<num>\d+)\s*/\s*(?P<den>\d+)|"
    rf"(?P<dec>(?:{_GROUPED}|{_PLAIN})(?:[eE][-+]?\d+)?))\s*(?P<unit>[^\d\s].*?|)\s*$"
)
_TWO = re.compile(
    r"^\s*(?P<sign>[-+−–])?\s*(?P<a>[\d.,/]+|\d+\s+\d+\s*/\s*\d+)\s*(?P<ua>[^\d\s.,/-]+)[\s,-]*"
    r"(?P<b>\d[\d.,]*(?:[\s-]+\d+\s*/\s*\d+)?|\d+\s*/\s*\d+)\s*(?P<ub>[^\d.,/-]*?)\s*$"
)
"""Two quantities in one: 6 ft 6 in, 5 lb 3 oz, 1 h 30 min."""
COMPOUND: dict[str, dict[str, str]] = {
    "length": {**dict.fromkeys(("ft", "feet", "foot", "'"), "in"), "m": "cm", "yd": "ft"},
    "mass": {**dict.fromkeys(("lb", "lbs"), "oz"), "kg": "g"},
    "time": {**dict.fromkeys(("h", "hr", "hrs", "hour", "hours"), "min"), "min": "s", "d": "h", "day": "h", "days": "h"},
}
"""Units that may be followed by a smaller one, and the unit of that where none is written."""
_FRACTIONS = {"½": "1/2", "¼": "1/4", "¾": "3/4", "⅓": "1/3", "⅔": "2/3", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8"}
_AWG = re.compile(r"^\s*(?:awg\s*#?\s*(\d{1,2}(?:/0)?)|#?(\d{1,2}(?:/0)?)\s*(?:awg|ga|gauge))\s*$", re.I)


def plain_text(text: str) -> str:
    """A text with one kind of blank, minus, prime and fraction: what people type and what programs make of it."""
    for sign, written in _FRACTIONS.items():
        text = re.sub(rf"(?<=\d)\s*{sign}", f" {written}", text).replace(sign, written)
    text = re.sub(r"[\u00a0\u2000-\u200a\u202f\u205f]", " ", text)
    return (
        text.replace("″", '"')
        .replace("”", '"')
        .replace("“", '"')
        .replace("′", "'")
        .replace("’", "'")
        .replace("‘", "'")
        .replace("''", '"')
        .replace("−", "-")
        .replace("–", "-")
    )


OVER_RANGE = ("ol", "o.l", "o.l.", "0l", "0.l", "open")
"""What a meter shows, and people type, where there is no way through."""
OPEN_MOHM = 1e12
_MEGA = re.compile(r"(?<![A-Za-z])M(?=\s?(?:[\u03a9\u2126]|[oO][hH][mM]))")


def mega_apart(unit: str) -> str:
    """A unit with mega written out: MΩ and mΩ are a thousand million apart, and only the size of a letter tells them."""
    return _MEGA.sub("meg", unit)


def said_of(value: float, dimension: str) -> str:
    """A quantity as it is said back: ohms and seconds where the unit of the core would be hard to read."""
    if dimension == "resistance" and abs(value) >= 1e6:
        return show(value / 1e9, "MΩ") if abs(value) >= 1e9 else show(value / 1e6, "kΩ")
    if dimension == "time" and 0 < abs(value) < 1 / 60:
        return show(3600 * value, "s")
    return show(value, SI_UNIT[dimension])


def read_number(text: str) -> float:
    """A decimal number with point or comma, thousands separators allowed. Raises ValueError.

    A comma before exactly three digits parts thousands, as in English; before any other number of digits, or behind a lone 0, it is the decimal one.

    >>> read_number("1 234,5"), read_number("1,234.5"), read_number("0,5"), read_number("2,000")
    (1234.5, 1234.5, 0.5, 2000.0)
    """
    s = text.strip()
    if re.search(r"[\s'’]", s):
        if not re.fullmatch(rf"{_GROUPED}(?:[eE][-+]?\d+)?", s):
            raise ValueError(text)
        s = re.sub(r"[\s'’]", "", s)
        return float(s.replace(",", "."))
    if "," in s and "." in s:
        thousands = "," if s.rfind(".") > s.rfind(",") else "."
        groups = s[: s.rfind("." if thousands == "," else ",")].split(thousands)
        if any(len(g) != 3 for g in groups[1:]) or not 1 <= len(groups[0]) <= 3:
            raise ValueError(text)
        s = s.replace(thousands, "").replace(",", ".")
    elif s.count(",") > 1 or s.count(".") > 1:
        sep = "," if "," in s else "."
        groups = s.split(sep)
        if any(len(g) != 3 for g in groups[1:]) or not 1 <= len(groups[0]) <= 3:
            raise ValueError(text)
        s = s.replace(sep, "")
    elif re.fullmatch(r"[1-9]\d{0,2},\d{3}", s):
        s = s.replace(",", "")
    else:
        s = s.replace(",", ".")
    return float(s)


def _a(word: str) -> str:
    """A word with its article."""
    return f"{'an' if word[0] in 'aeiou' else 'a'} {word}"


def _refuse(text: str, dimension: str, why: str) -> NotUnderstood:
    shown = text if len(text) <= 40 else text[:37] + "…"
    return NotUnderstood(says("write-for-example", shown=shown, why=why, examples=EXAMPLES[dimension]))


def show(value: float, unit: str) -> str:
    """A number with its unit, four significant digits at most."""
    if value and (abs(value) >= 1e7 or abs(value) < 1e-3):
        return f"{value:.3g} {unit}".strip()
    text = f"{value:,.4g}" if abs(value) < 10000 else f"{value:,.0f}"
    return f"{text} {unit}".strip().replace(",", "\u202f")


def _number_of(m: re.Match[str]) -> float:
    """The number of a match of :data:`_NUMBER`. Raises ValueError."""
    if m["num"]:
        if int(m["den"]) == 0:
            raise ValueError
        number = int(m["whole"] or 0) + int(m["num"]) / int(m["den"])
    else:
        number = read_number(m["dec"])
    return -number if m["sign"] in ("-", "−", "–") else number


def _compound(typed: str, text: str, dimension: str) -> Quantity | None:
    """Feet and inches, pounds and ounces, hours and minutes; None where the text is none of them. Raises :class:`NotUnderstood` for a smaller part
    that is too large."""
    m = _TWO.match(text)
    if m is None or (large := m["ua"].strip().lower()) not in COMPOUND[dimension]:
        return None
    small = m["ub"].strip().lower() or COMPOUND[dimension][large]
    units = UNITS[dimension]
    small = "min" if dimension == "time" and small == "m" else small
    if small not in units or units[small] >= units[large]:
        raise _refuse(typed, dimension, says("has-unknown-part", m=m["b"], m_2=m["ub"]).rstrip())
    first, second = (_NUMBER.match(m[k]) for k in ("a", "b"))
    if first is None or second is None or first["unit"] or second["unit"]:
        raise _refuse(typed, dimension, says("not-number"))
    try:
        a, b = _number_of(first), _number_of(second)
    except ValueError:
        raise _refuse(typed, dimension, says("not-number")) from None
    if b * units[small] >= units[large] * (1 - 1e-12) or a != int(a):
        raise _refuse(
            typed,
            dimension,
            says("has-after-whole-which", m=m["b"], small=small, large=large) if a == int(a) else says("has-part-and-too", large=large, small=small),
        )
    value = (a * units[large] + b * units[small]) * (-1 if m["sign"] in ("-", "−", "–") else 1)
    words = {"'": "ft", '"': "in"}
    said = f"{a:g} {words.get(large, large)} {show(b, words.get(small, small))}"
    return Quantity(value, SI_UNIT[dimension], dimension, f"{said} = {show(value, SI_UNIT[dimension])}")


def parse(text: str, dimension: str, default_unit: str | None = None) -> Quantity:
    """Understand a text as a quantity of ``dimension`` (see :data:`SI_UNIT` for the unit of the result).

    A bare number takes ``default_unit`` (the SI unit when None). Raises :class:`NotUnderstood`.
    """
    if dimension not in UNITS:
        raise NotUnderstood(says("unknown-kind-quantity", dimension=dimension))
    if len(text) > 60:
        raise _refuse(text, dimension, says("too-long-for-quantity"))
    if not text.strip():
        raise _refuse(text, dimension, says("empty"))
    typed, text = text, plain_text(text)
    if dimension == "resistance" and text.strip().lower() in OVER_RANGE:
        return Quantity(OPEN_MOHM, "mΩ", dimension, says("over-meters-range-open"))
    if dimension in COMPOUND and (two := _compound(typed, text, dimension)) is not None:
        return two
    if dimension == "area" and (m := _AWG.match(text)):
        size = m.group(1) or m.group(2)
        if size not in AWG_NUMBER:
            raise _refuse(text, dimension, says("not-awg-size-that"))
        area = awg_area_mm2(size)
        return Quantity(area, "mm²", dimension, f"{size} AWG ({area:.2f} mm²)", size)
    if "@" in text and dimension in ("power", "energy"):
        left, right = text.split("@", 1)
        first = parse(left, "current" if dimension == "power" else "charge")
        volts = parse(right, "voltage")
        value = first.value * volts.value
        unit = SI_UNIT[dimension]
        return Quantity(value, unit, dimension, f"{show(first.value, first.unit)} × {show(volts.value, 'V')} = {show(value, unit)}")
    m = _NUMBER.match(text)
    if not m:
        raise _refuse(text, dimension, says("has-no-number-at"))
    try:
        number = _number_of(m)
    except ValueError:
        raise _refuse(text, dimension, says("not-number")) from None
    unit_text = mega_apart(m["unit"]).strip().lower() or mega_apart(default_unit or SI_UNIT[dimension]).lower()
    factor = UNITS[dimension].get(unit_text)
    if factor is None:
        other = next((d for d, units in UNITS.items() if unit_text in units and unit_text), None)
        why = says("not", a=_a(other), a_2=_a(dimension)) if other else says("has-unknown-unit", m=m["unit"].strip()[:12])
        raise _refuse(text, dimension, why)
    value = (number - 32) / 1.8 if unit_text in ("°f", "f", "degf") else number * factor
    if not math.isfinite(value):
        raise _refuse(text, dimension, says("not-finite-number"))
    return Quantity(value, SI_UNIT[dimension], dimension, said_of(value, dimension))
