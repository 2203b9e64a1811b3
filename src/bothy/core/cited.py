"""Figures of a finding's message: the numbers that it says, found again among the figures of its subject, so that each opens to its working."""

from __future__ import annotations

import re
from collections.abc import Iterable
from functools import lru_cache
from typing import Any, NamedTuple

from bothy.core.design.base import Doc
from bothy.core.design.document import Design
from bothy.core.figure import Figure, given, unit_of
from bothy.core.finding import Finding
from bothy.core.words.says import core_says as says

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
MOST_ASSUMED = 6
"""So many assumptions are named of one finding."""
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


def _is(value: float, unit: str, wanted: Wanted) -> bool:
    for theirs, target, off in wanted:
        apart = abs(value - target)
        if apart <= off and unit == theirs and apart <= CLOSE * abs(value) + 1e-12:
            return True
    return False


def _same(figure: Figure, wanted: Wanted) -> bool:
    return _is(figure.value, figure.unit, wanted)


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
        if type(value) in (int, float) and _is(value, unit_of(name), wanted):
            return f"typed/{subject}~{name}", given(name, value, "typed", says("as-typed"))
    return None


def assumed_behind(figures: Iterable[Figure]) -> list[str]:
    """Labels of what was assumed behind some figures: values that nobody has said yet."""
    out: dict[str, None] = {}
    seen: set[int] = set()
    todo = list(figures)
    while todo:
        figure = todo.pop()
        if id(figure) in seen:
            continue
        seen.add(id(figure))
        if figure.origin == "assumed":
            out[figure.label] = None
        todo += [part for _, part in figure.inputs]
    return list(out)


class Index(NamedTuple):
    """Keys of figures by the item that they name, and by their first part; these by unit too, each with its place."""

    keys: list[str]
    units: list[str]
    of_item: dict[str, list[str]]
    of_part: dict[str, list[str]]
    of_unit: dict[tuple[str, str], list[tuple[int, str]]]


def _index(figures: dict[str, Figure], before: Index | None) -> Index:
    keys, units = list(figures), [f.unit for f in figures.values()]
    if before is not None and before.keys == keys and before.units == units:
        return before
    out = Index(keys, units, {}, {}, {})
    for at, (key, unit) in enumerate(zip(keys, units, strict=True)):
        first, named = _parts(key)
        if first:
            out.of_part.setdefault(first, []).append(key)
            out.of_unit.setdefault((first, unit), []).append((at, key))
        for p in named:
            out.of_item.setdefault(p, []).append(key)
    return out


class Said(NamedTuple):
    """What was found for one finding: its figures, those that were put into the book for it, what is only assumed behind them, the item of which values
    were typed, and whether figures of its stage were looked through too."""

    figures: list[str]
    put: dict[str, Figure]
    assumed: list[str]
    item: Doc | None
    far: bool


class Cited(NamedTuple):
    """What was found for the findings of a report, and among which figures: most of it holds for the next report too."""

    figures: dict[str, Figure]
    among: Index
    said: dict[tuple[Any, ...], Said]


def _items(f: Finding) -> tuple[str, ...]:
    """What figures of a finding may belong to: its own item, its subject, and what it is related to."""
    return (f.subject.rpartition(":")[2], f.subject, *(r.rpartition(":")[2] for r in f.related))


def _wide(f: Finding) -> tuple[str, ...]:
    """First parts of the keys of its stage's own figures."""
    return (f.subject, *PARTS.get(f.stage, ()))


def _first_of(part: str, wanted: Wanted, figures: dict[str, Figure], index: Index) -> str | None:
    """The first key of a part whose figure is a wanted number."""
    found = (next((one for one in index.of_unit.get((part, unit), ()) if _same(figures[one[1]], wanted)), None) for unit, _, _ in wanted)
    return min((one for one in found if one is not None), default=(0, None))[1]


def _search(f: Finding, named: list[str], figures: dict[str, Figure], index: Index, item: Doc | None) -> Said:
    """Find the numbers of a message. ``named`` are the keys that its rule named."""
    keys, put, far = list(named), dict[str, Figure](), False
    near = [k for one in _items(f) for k in index.of_item.get(one, ())]
    for wanted in _numbers(f.message):
        hit = next((k for pool in (keys, near) for k in pool if _same(figures[k], wanted)), None)
        if hit is None:
            far = True
            hit = next((k for part in _wide(f) if (k := _first_of(part, wanted, figures, index)) is not None), None)
        one: tuple[str, Figure] | None = None
        if hit is None:
            one = _given(list(dict.fromkeys([*keys, *near])), figures, wanted) or _typed(f.subject, item, wanted)
        if one is not None:
            hit, put[one[0]] = one
            figures[one[0]] = one[1]
        if hit is not None:
            keys.append(hit)
    own = list(dict.fromkeys(keys))
    return Said(own, put, assumed_behind(figures[k] for k in own)[:MOST_ASSUMED], item, far)


class _Changes:
    """Which figures are not those of the report before, by item and by first part."""

    def __init__(self, figures: dict[str, Figure], index: Index, before: Cited) -> None:
        old = before.figures
        self.index, self.all = index, index is not before.among
        self.keys = frozenset() if self.all else frozenset(k for k, f in figures.items() if old[k] is not f)
        self._of: dict[tuple[bool, str], bool] = {}

    def _any(self, name: str, part: bool) -> bool:
        known = self._of.get((part, name))
        if known is None:
            pool = (self.index.of_part if part else self.index.of_item).get(name, ())
            known = self._of[part, name] = not self.keys.isdisjoint(pool)
        return known

    def touch(self, f: Finding, named: list[str], said: Said) -> bool:
        """Whether what was found for a finding may come out otherwise now."""
        return (
            self.all
            or not self.keys.isdisjoint(named)
            or any(self._any(x, False) for x in _items(f))
            or (said.far and any(self._any(x, True) for x in _wide(f)))
        )


def cite(found: list[Finding], figures: dict[str, Figure], items: dict[str, Doc] | None = None, before: Cited | None = None) -> Cited:
    """Give each finding the figures that its message says, and what is only assumed behind them; figures that its rule named stand first, and none that
    is not in the book.

    What a message says of a typed value or of a table's is put into the book under the figure that it was given for, or under the item (``items`` by
    id) of which it was typed. What was found ``before``, for the last report, is taken where the figures among which it was sought are the same ones.
    """
    items = items or {}
    out = Cited(dict(figures), _index(figures, before.among if before else None), {})
    changes = _Changes(out.figures, out.among, before) if before else None
    for f in found:
        named = [k for k in f.figures if k in figures]
        key = (f.subject, f.stage, f.message, *named, "", *f.related)
        item = items.get(f.subject.rpartition(":")[2]) or items.get(f.subject)
        said = before.said.get(key) if before else None
        if said is None or changes is None or said.item is not item or changes.touch(f, named, said):
            said = _search(f, named, figures, out.among, item)
        else:
            figures.update(said.put)
        out.said[key] = said
        f.figures, f.rests_on = list(said.figures), list(said.assumed)
    return out
