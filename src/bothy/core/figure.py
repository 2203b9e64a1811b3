"""A figure: a number that carries its working.

A formula is a plain function of floats wrapped by :func:`formula`. Called with floats or figures it
yields a :class:`Figure` that remembers its inputs; ``.raw`` is the bare function for inner loops.

>>> @formula("Voltage drop", "ΔU = I·R/1000", unit="V", source=Method("wiring.voltage-drop"))
... def drop(current_a: float, resistance_mohm: float) -> float:
...     return current_a * resistance_mohm / 1000
>>> drop(6.0, 100.0).value
0.6
>>> drop.raw(6.0, 100.0)
0.6
"""

from __future__ import annotations

import inspect
import re
from collections.abc import Callable, Iterable
from functools import cache
from typing import Any, Generic, Literal, ParamSpec, SupportsFloat

from bothy.core.method.sources import Cited
from bothy.core.words.catalogues import Catalogue, language

Origin = Literal["computed", "typed", "assumed", "catalogue", "table", "input", "default"]

UNIT_BY_SUFFIX = {
    "mohm_per_m": "mΩ/m",
    "c_per_h": "1/h",
    "per_k": "1/K",
    "w_m2": "W/m²",
    "kwh_m2_day": "kWh/m²",
    "kwh_m2": "kWh/m²",
    "wh_day": "Wh",
    "w_k": "W/K",
    "deg": "°",
    "d": "days",
    "m2k_w": "m²K/W",
    "w_m2k": "W/(m²K)",
    "w_mk": "W/(m·K)",
    "g_m2_day": "g/(m²·day)",
    "kg_m2": "kg/m²",
    "per_m2": "1/m²",
    "kg_m3": "kg/m³",
    "kg_day": "kg",
    "kg_h": "kg/h",
    "l_day": "L",
    "l_h": "L/h",
    "l_min": "L/min",
    "m3_h": "m³/h",
    "m_s": "m/s",
    "g_h": "g/h",
    "g_m3": "g/m³",
    "g_kg": "g/kg",
    "kg_l": "kg/L",
    "kj_kg": "kJ/kg",
    "kwh_kg": "kWh/kg",
    "kwh_kg_net": "kWh/kg",
    "kwh_kg_gross": "kWh/kg",
    "w_net": "W",
    "mg_l": "mg/L",
    "mg_min_l": "mg·min/L",
    "wh_per_l": "Wh/L",
    "l_person_day": "L",
    "std_l_h": "L/h",
    "ml_h": "mL/h",
    "g_day": "g",
    "mbar": "mbar",
    "upas": "µPa·s",
    "ml": "mL",
    "g": "g",
    "kj_k": "kJ/K",
    "btu_h": "BTU/h",
    "per_h": "1/h",
    "cfm": "CFM",
    "ppm": "ppm",
    "kpa": "kPa",
    "pa": "Pa",
    "m3": "m³",
    "m2": "m²",
    "mm2": "mm²",
    "mohm": "mΩ",
    "wh": "Wh",
    "ah": "Ah",
    "kwh": "kWh",
    "kg": "kg",
    "mm": "mm",
    "va": "VA",
    "a": "A",
    "v": "V",
    "w": "W",
    "h": "h",
    "m": "m",
    "c": "°C",
    "s": "s",
    "k": "K",
    "min": "min",
    "l": "L",
    "days": "days",
    "frac": "%",
    "count": "",
}


@cache
def unit_of(key: str) -> str:
    """The unit that a key's ending stands for: ``current_a`` -> ``A`` (empty when it has none).

    Fractions stay fractions; their unit ``%`` says that they are shown as per cent.
    """
    parts = key.split("_")
    for size in (3, 2, 1):
        unit = UNIT_BY_SUFFIX.get("_".join(parts[-size:])) if len(parts) > size else None
        if unit is not None:
            return unit
    return ""


LABELS = Catalogue("bothy.core.words", ["labels"])


@cache
def _label(key: str, _spoken: str) -> str:
    found = LABELS.find(key)
    if found is not None:
        return found
    number = re.fullmatch(r"(.+?)_(\d+)((?:_[a-z0-9]+)*)", key)
    if number is not None and (found := LABELS.find(number[1] + number[3])) is not None:
        return f"{found}, {number[2]}"
    parts = key.split("_")
    size = next((n for n in (3, 2, 1) if len(parts) > n and "_".join(parts[-n:]) in UNIT_BY_SUFFIX), 0)
    return " ".join(parts[: len(parts) - size])


def label_of(key: str) -> str:
    """What a key is called: ``bank_min_voltage_v`` -> ``lowest voltage of the battery bank``; one of several (``sd_2_m``) with its number. A key that a sum
    makes up from somebody's name (``Hob_g_day``) is called by that name."""
    return _label(key, language())


_new = object.__new__


class Figure:
    """A computed or given number: value, unit, label, and how it came about.

    ``inputs`` are (name, Figure) pairs; ``origin`` says whether it was computed, typed, assumed or read
    from a table; ``note`` says where from (the typed text, the reason of an assumption).
    """

    __slots__ = ("_inputs", "_names", "_parts", "expression", "label", "note", "origin", "source", "unit", "value")

    _names: Iterable[str]
    _parts: Iterable[Number]

    def __init__(
        self,
        value: float,
        unit: str,
        label: str,
        *,
        expression: str = "",
        source: Cited = (),
        inputs: tuple[tuple[str, Figure], ...] = (),
        origin: Origin = "computed",
        note: str = "",
    ) -> None:
        self.value = value
        self.unit = unit
        self.label = label
        self.expression = expression
        self.source = source
        self.origin: Origin = origin
        self.note = note
        self._inputs: tuple[tuple[str, Figure], ...] | None = inputs

    @classmethod
    def of(cls, value: float, unit: str, label: str, expression: str, source: Cited, names: Iterable[str], parts: Iterable[Number]) -> Figure:
        """A computed figure whose inputs become figures only when somebody looks: most workings are never opened."""
        made = _new(cls)  # not through __init__: thousands are made for a report
        made.value, made.unit, made.label, made.expression, made.source = value, unit, label, expression, source
        made.origin, made.note, made._inputs, made._names, made._parts = "computed", "", None, names, parts
        return made

    @property
    def inputs(self) -> tuple[tuple[str, Figure], ...]:
        """(name, figure) of everything it was computed from."""
        if self._inputs is None:
            self._inputs = tuple((n, p if isinstance(p, Figure) else _as_figure(n, p)) for n, p in zip(self._names, self._parts, strict=True))
        return self._inputs

    @property
    def numbers(self) -> Iterable[tuple[str, Number]]:
        """(name, number) of everything it was computed from, without making figures of plain numbers."""
        return self._inputs if self._inputs is not None else zip(self._names, self._parts, strict=True)

    def __float__(self) -> float:
        return float(self.value)

    def __repr__(self) -> str:
        return f"Figure({self.label} = {self.value:.4g} {self.unit})"

    def named(self, label: str) -> Figure:
        """The same number and working under another label."""
        out = _new(Figure)
        out.value, out.unit, out.label, out.expression, out.source = self.value, self.unit, label, self.expression, self.source
        out.origin, out.note, out._inputs = self.origin, self.note, self._inputs
        if self._inputs is None:
            out._names, out._parts = self._names, self._parts
        return out


Number = SupportsFloat | Figure
P = ParamSpec("P")


def given(key: str, value: float, origin: Origin = "input", note: str = "", label: str = "", source: Cited = ()) -> Figure:
    """A figure without inputs: typed, assumed, read from a table, or computed elsewhere. The key gives its unit."""
    made = _new(Figure)
    made.value, made.unit, made.label, made.expression, made.source = float(value), unit_of(key), label or label_of(key), "", source
    made.origin, made.note, made._inputs = origin, note, ()
    return made


def _as_figure(name: str, value: Any) -> Figure:
    if isinstance(value, Figure):
        return value
    return Figure(float(value), unit_of(name), label_of(name), origin="input")


class Formula(Generic[P]):
    """A documented function of floats; see :func:`formula`."""

    def __init__(self, raw: Callable[P, float], label: str, expression: str, unit: str, source: Cited) -> None:
        self.raw = raw
        self.label = label
        self.expression = expression
        self.unit = unit
        self.source = source
        self.names = tuple(inspect.signature(raw).parameters)
        self.__doc__ = raw.__doc__
        self.__name__ = raw.__name__

    def __call__(self, *args: Number, **kwargs: Number) -> Figure:
        names = self.names
        values = (*args, *(kwargs[name] for name in names[len(args) :])) if kwargs else args
        if len(values) != len(names):
            raise TypeError(f"{self.__name__} takes {', '.join(names)}")
        made = _new(Figure)
        made.value = self.raw(*[v.value if type(v) is Figure else float(v) for v in values])  # type: ignore[call-arg, arg-type]
        made.unit, made.label, made.expression, made.source = self.unit, self.label, self.expression, self.source
        made.origin, made.note, made._inputs, made._names, made._parts = "computed", "", None, names, values
        return made


def formula(label: str, expression: str, *, unit: str, source: Cited) -> Callable[[Callable[P, float]], Formula[P]]:
    """Decorate a function of floats so that calling it yields a :class:`Figure` with its working."""

    def wrap(fn: Callable[P, float]) -> Formula[P]:
        return Formula(fn, label, expression, unit, source)

    return wrap


def total(label: str, unit: str, parts: Iterable[tuple[str, Figure]], source: Cited) -> Figure:
    """The sum of figures, each part named in the working."""
    inputs = tuple(parts)
    return Figure(sum(f.value for _, f in inputs), unit, label, expression="Σ of the parts", source=source, inputs=inputs)


def derived(key: str, expression: str, value: float, source: Cited, **inputs: Number) -> Figure:
    """A figure computed in place, under an output's key that gives its label and unit; ``expression`` is what was done."""
    return Figure.of(float(value), unit_of(key), label_of(key), expression, source, inputs.keys(), inputs.values())


def pick(label: str, expression: str, chosen: Figure | float, unit: str, source: Cited, **inputs: Number) -> Figure:
    """A figure reached by a choice (the larger of, the next standard size): the inputs show what it chose from."""
    return Figure.of(float(chosen), unit, label, expression, source, inputs.keys(), inputs.values())
