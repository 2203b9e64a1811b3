"""The book of figures of one report: each figure under a stable key, its inputs linked by key.

Most workings are never opened, so the book keeps the figures as they are and writes a working out when it is asked for.
"""

from __future__ import annotations

from collections.abc import Mapping

from typing_extensions import TypedDict

from bothy.core.figure import Figure, Origin
from bothy.core.figure_keys import check, read_unit
from bothy.core.method.sources import SourceOut, written


class FigureOut(TypedDict):
    """A figure as the report shows it."""

    label: str
    value: float
    unit: str


class InputOut(TypedDict):
    """One input of a figure. ``key`` names the figure that holds its own working, when it has one."""

    name: str
    label: str
    value: float
    unit: str
    origin: Origin
    note: str
    key: str | None


class WorkingOut(FigureOut):
    """How a figure was reached."""

    expression: str
    source: list[SourceOut]
    origin: Origin
    note: str
    inputs: list[InputOut]


Written = dict[str, WorkingOut]


class Book:
    """Collects figures. An input that stands in the book itself is linked to the first key it got there."""

    def __init__(self, sum_of: str = "") -> None:
        """``sum_of``: the field of a sum by itself, which names its figures as its contract does; else keys are those that a report's figures have."""
        self._sum_of = sum_of
        self.figures: dict[str, Figure] = {}
        self._puts: list[tuple[str, Figure]] = []

    def put(self, key: str, figure: Figure) -> Figure:
        """Register a figure; returns it."""
        self.figures[key if self._sum_of else check(key)] = figure
        self._puts.append((key, figure))
        return figure

    def put_again(self, puts: list[tuple[str, Figure]]) -> None:
        """Register what was put into another book."""
        self.figures.update(puts)
        self._puts += puts

    def put_all(self, prefix: str, figures: Mapping[str, Figure]) -> None:
        """Register the figures of a sum under a prefix, by their keys."""
        for key, figure in figures.items():
            self.put(f"{prefix}/{key}", figure)

    @property
    def put_so_far(self) -> int:
        """How often something was put; for :meth:`put_since`."""
        return len(self._puts)

    def put_since(self, begun: int) -> list[tuple[str, Figure]]:
        """What was put after the first ``begun``, in order."""
        return self._puts[begun:]

    def shown(self, before: tuple[Book, dict[str, FigureOut]] | None = None) -> dict[str, FigureOut]:
        """Every figure by key, without its working; those that are the very same in a book ``before`` as they were shown of that."""
        old, shown = (before[0].figures, before[1]) if before is not None else ({}, {})
        return {k: shown[k] if old.get(k) is f else {"label": f.label, "value": f.value, "unit": read_unit(k, f.unit)} for k, f in self.figures.items()}

    def _keys(self) -> dict[int, str]:
        """The first key of each figure, by its identity."""
        out: dict[int, str] = {}
        for key, figure in self._puts:
            out.setdefault(id(figure), key)
        return out

    def working(self, key: str) -> Written:
        """The working of a figure and of all it was computed from, by key. Raises LookupError when there is no such figure."""
        out: Written = {}
        self._write(key, self.figures[key], self._keys(), out)
        return out

    def all_workings(self) -> Written:
        """The working of every figure."""
        out: Written = {}
        keys = self._keys()
        for key, figure in self.figures.items():
            self._write(key, figure, keys, out)
        return out

    def _unit(self, key: str, unit: str) -> str:
        """The unit as it is read; the keys of a sum don't say what field they are of."""
        return read_unit(f"{self._sum_of}/{key.rpartition('/')[2]}" if self._sum_of else key, unit)

    def _write(self, key: str, figure: Figure, keys: dict[int, str], out: Written) -> None:
        if key in out:
            return
        inputs: list[InputOut] = []
        out[key] = {
            "label": figure.label,
            "value": figure.value,
            "unit": self._unit(key, figure.unit),
            "expression": figure.expression,
            "source": written(figure.source),
            "origin": figure.origin,
            "note": figure.note,
            "inputs": inputs,
        }
        for name, part in figure.inputs:
            linked = None
            if part.inputs:
                linked = keys.setdefault(id(part), f"{key}~{name}")
                self._write(linked, part, keys, out)
            inputs.append(
                {
                    "name": name,
                    "label": part.label,
                    "value": part.value,
                    "unit": self._unit(f"{key.partition('/')[0]}/{name}", part.unit),
                    "origin": part.origin,
                    "note": part.note,
                    "key": linked,
                }
            )
