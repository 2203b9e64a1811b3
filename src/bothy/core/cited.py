"""Figures of a finding's message: the numbers that it says, found again among the figures of its subject, so that each opens to its working."""

from __future__ import annotations

import re
from functools import lru_cache

from bothy.core.design.base import Doc
from bothy.core.design.document import Design
from bothy.core.figure import Figure, given, unit_of
from bothy.core.finding import Finding

SCALES: dict[str, tuple[tuple[str, float], ...]] = {
    "%": (("%", 0.01), ("", 0.01)),
    "kW": (("W", 1e3), ("kW", 1.0)),
    "kA": (("A", 1e3),),
    "kWh": (("Wh", 1e3), ("kWh", 1.0)),
    "cm": (("m", 1e-2), ("mm", 10.0)),
    "mm": (("m", 1e-3), ("mm", 1.0)),
    "min": (("h", 1 / 60), ("min", 1.0)),
    "h": (("h", 1.0), ("min", 60.0)),
    "cm²": (("mm²", 100.0), ("m²", 1e-4), ("cm²", 1.0)),
    "g": (("kg", 1e-3), ("g", 1.0)),
    "bar": (("kPa", 100.0), ("Pa", 1e5), ("bar", 1.0)),
    "kPa": (("kPa", 1.0), ("Pa", 1e3)),
    "g/h": (("kg/h", 1e-3), ("g/h", 1.0)),
    "times": (("", 1.0),),
    "days": (("d", 1.0), ("days", 1.0), ("day", 1.0), ("", 1.0)),
    "kN": (("N", 1e3), ("kN", 1.0)),
}
"""Units as they are written -> the units that a figure may have, with what a written number is multiplied by."""
_UNIT = r"mL|ppm|kWh|Wh|kW|W|kA|mA|Ah|A|mV|V|mΩ|mm²|cm²|m²|mm|cm|km|m³/h|m/s|m|L/min|L|kg/h|g/h|kg|g|kPa|hPa|Pa|mbar|bar|°C|K|kN|N|min|h|days|%|times|s"
_SAID = re.compile(rf"(?<![\w.,])(?P<number>[-−]?\d[\d\u202f ,]*(?:\.\d+)?)\s?(?P<unit>{_UNIT})(?![\w²³/])")
CLOSE = 0.03
"""A match within rounding may differ by this part at most: 1 kA is not 1.4 kA."""
PARTS = {
    "power": ("power", "life", "station"),
    "wiring": ("wiring", "network", "mains"),
    "vehicle": ("vehicle",),
    "warmth": ("warmth", "air", "cool", "ducts"),
    "water": ("water",),
    "gas": ("gas", "air"),
    "life": ("life",),
    "prove": ("prove",),
    "trips": ("trip", "power"),
}
"""First parts of the keys that a stage's own findings speak of, when their subject has none."""


ITEMS = {
    "circuits",
    "boards",
    "others",
    "raceways",
    "tanks",
    "vessels",
    "zones",
    "surfaces",
    "appliances",
    "prove",
    "heaters",
    "ducts",
    "cabinets",
    "bays",
    "builds",
    "joins",
    "runs",
    "pipes",
    "holds",
    "leaks",
    "loop-zones",
}
"""First parts whose keys belong to one item each, and to no other's finding."""


@lru_cache(4096)
def _numbers(message: str) -> tuple[Wanted, ...]:
    """Numbers with a unit, each as it may stand among the figures; off by half of its last digit at most."""
    found = []
    for m in _SAID.finditer(message):
        text = re.sub(r"[\u202f ,]", "", m["number"]).replace("−", "-")
        decimals = len(text.partition(".")[2])
        found.append(_wanted(float(text), 0.5 * 10**-decimals, m["unit"]))
    return tuple(found)


@lru_cache(16384)
def _parts(key: str) -> tuple[str, tuple[str, ...]]:
    """The first part of a figure's key (empty where it belongs to one item alone), and the items that it names."""
    first, *rest = key.split("/")
    return "" if first in ITEMS else first, tuple(dict.fromkeys(rest[:-1]))


Wanted = tuple[tuple[str, float, float], ...]
"""A number that is said, in each unit that a figure of it may have: unit, value, how far off rounding may put it."""


def _wanted(number: float, half: float, unit: str) -> Wanted:
    return tuple((theirs, number * scale, half * scale * (1 + 1e-9)) for theirs, scale in SCALES.get(unit, ((unit, 1.0),)))


def _same(figure: Figure, wanted: Wanted) -> bool:
    value = figure.value
    for theirs, target, off in wanted:
        apart = abs(value - target)
        if apart <= off and figure.unit == theirs and apart <= CLOSE * abs(value) + 1e-12:
            return True
    return False


def _given(keys: list[str], figures: dict[str, Figure], wanted: Wanted) -> tuple[str, Figure] | None:
    """What was typed, assumed or read from a table for one of some figures and is said by a message: a key of its own, and the figure."""
    for key in keys:
        for name, part in figures[key].numbers:
            value = part.value if type(part) is Figure else float(part)
            for theirs, target, off in wanted:
                if abs(value - target) <= off and theirs == (part.unit if type(part) is Figure else unit_of(name)):
                    figure = dict(figures[key].inputs)[name]
                    # what says nothing of where it came from would open to nothing
                    if figure.note and not figure.inputs and _same(figure, wanted):
                        return f"{key}~{name}", figure
    return None


def items_of(design: Design) -> dict[str, Doc]:
    """What findings are about, by id, or by the name of its field where there is only one (``pump``, ``locker``)."""
    out: dict[str, Doc] = {}
    for part in Design.model_fields:
        of = getattr(design, part)
        for name, value in of.__dict__.items() if isinstance(of, Doc) else ():
            if isinstance(value, Doc):
                out.setdefault(name, value)
            elif isinstance(value, list):
                for x in value:
                    if isinstance(x, Doc) and "id" in x.__dict__:
                        out.setdefault(x.id, x)  # type: ignore[attr-defined]
    return out


def _typed(subject: str, item: Doc | None, wanted: Wanted) -> tuple[str, Figure] | None:
    """A value that was typed of the very item a finding is about, where its message says it."""
    for name, value in item.__dict__.items() if item is not None else ():
        if type(value) in (int, float):
            figure = given(name, value, "typed", "as typed")
            if _same(figure, wanted):
                return f"typed/{subject}~{name}", figure
    return None


def cite(found: list[Finding], figures: dict[str, Figure], items: dict[str, Doc] | None = None) -> None:
    """Give each finding the figures that its message says; those that its rule named stand first, and none that is not in the book.

    What a message says of a typed value or of a table's is put into the book under the figure that it was given for, or under the item (``items`` by
    id) of which it was typed.
    """
    of_item: dict[str, list[str]] = {}
    of_part: dict[str, list[str]] = {}
    for key in figures:
        first, named = _parts(key)
        if first:
            of_part.setdefault(first, []).append(key)
        for p in named:
            of_item.setdefault(p, []).append(key)
    for f in found:
        keys = [k for k in f.figures if k in figures]
        if not (said := _numbers(f.message)):
            f.figures = list(dict.fromkeys(keys))
            continue
        item = f.subject.rpartition(":")[2]
        near = [k for one in (item, f.subject, *(r.rpartition(":")[2] for r in f.related)) for k in of_item.get(one, ())]
        wide = [k for part in (f.subject, *PARTS.get(f.stage, ())) for k in of_part.get(part, ())]
        for wanted in said:
            hit = next((k for pool in (keys, near, wide) for k in pool if (of := figures.get(k)) is not None and _same(of, wanted)), None)
            if hit is None and (one := _given(list(dict.fromkeys([*keys, *near])), figures, wanted)) is not None:
                hit, figures[one[0]] = one
            if hit is None and items and (one := _typed(f.subject, items.get(item) or items.get(f.subject), wanted)) is not None:
                hit, figures[one[0]] = one
            if hit is not None:
                keys.append(hit)
        f.figures = list(dict.fromkeys(keys))
