"""The book of figures of one report: each figure under a stable key, its inputs linked by key.

Most workings are never opened, so the book keeps the figures as they are and writes a working out when it is asked for.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from typing_extensions import TypedDict

from bothy.core.figure import Figure, Origin
from bothy.core.figure_keys import check
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

    def __init__(self, of_report: bool = True) -> None:
        """``of_report``: its keys are those that a report's figures have; a sum by itself names its figures as its contract does."""
        self._of_report = of_report
        self.figures: dict[str, Figure] = {}
        self._keys: dict[int, str] = {}
        self._kept: list[Figure] = []
        self._log: list[tuple[str, Figure]] | None = None

    def put(self, key: str, figure: Figure) -> Figure:
        """Register a figure; returns it."""
        self.figures[check(key) if self._of_report else key] = figure
        self._keys.setdefault(id(figure), key)
        self._kept.append(figure)
        if self._log is not None:
            self._log.append((key, figure))
        return figure

    def put_all(self, prefix: str, figures: Mapping[str, Figure]) -> None:
        """Register the figures of a sum under a prefix, by their keys."""
        for key, figure in figures.items():
            self.put(f"{prefix}/{key}", figure)

    def begin(self) -> list[tuple[str, Figure]] | None:
        """Note what is put from now on; returns what was noted by whoever noted before, to be handed back to :meth:`end`."""
        outer, self._log = self._log, []
        return outer

    def end(self, outer: list[tuple[str, Figure]] | None) -> list[tuple[str, Figure]]:
        """What was put since :meth:`begin`; whoever noted before gets it too, and goes on."""
        noted, self._log = self._log or [], outer
        if outer is not None:
            outer += noted
        return noted

    def shown(self) -> dict[str, FigureOut]:
        """Every figure by key, without its working."""
        return {k: {"label": f.label, "value": f.value, "unit": f.unit} for k, f in self.figures.items()}

    def working(self, key: str) -> Written:
        """The working of a figure and of all it was computed from, by key. Raises LookupError when there is no such figure."""
        out: Written = {}
        self._write(key, self.figures[key], dict(self._keys), out)
        return out

    def all_workings(self) -> Written:
        """The working of every figure."""
        out: Written = {}
        keys = dict(self._keys)
        for key, figure in self.figures.items():
            self._write(key, figure, keys, out)
        return out

    def assumed(self, keys: Iterable[str]) -> list[str]:
        """Labels of what was assumed behind some figures: values that nobody has said yet."""
        out: dict[str, None] = {}
        seen: set[int] = set()
        todo = [self.figures[k] for k in keys if k in self.figures]
        while todo:
            figure = todo.pop()
            if id(figure) in seen:
                continue
            seen.add(id(figure))
            if figure.origin == "assumed":
                out[figure.label] = None
            todo += [part for _, part in figure.inputs]
        return list(out)

    def _write(self, key: str, figure: Figure, keys: dict[int, str], out: Written) -> None:
        if key in out:
            return
        inputs: list[InputOut] = []
        out[key] = {
            "label": figure.label,
            "value": figure.value,
            "unit": figure.unit,
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
            inputs.append({"name": name, "label": part.label, "value": part.value, "unit": part.unit, "origin": part.origin, "note": part.note, "key": linked})
