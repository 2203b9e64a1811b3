"""The book of figures of one report: each figure under a stable key, its inputs linked by key."""

from __future__ import annotations

from typing_extensions import TypedDict

from bothy.core.figure import Figure, Origin


class InputOut(TypedDict):
    """One input of a figure. ``key`` names the figure that holds its own working, when it has one."""

    name: str
    label: str
    value: float
    unit: str
    origin: Origin
    note: str
    key: str | None


class FigureOut(TypedDict):
    """A figure as the report gives it."""

    label: str
    value: float
    unit: str
    expression: str
    source: str
    origin: Origin
    note: str
    inputs: list[InputOut]


class Book:
    """Collects figures. The same Figure object is written once, under the first key it gets."""

    def __init__(self) -> None:
        self.figures: dict[str, FigureOut] = {}
        self._keys: dict[int, str] = {}
        self._kept: list[Figure] = []

    def put(self, key: str, figure: Figure) -> Figure:
        """Register a figure and all it was computed from; returns the figure."""
        keys = self._keys
        inputs: list[InputOut] = []
        for name, part in figure.inputs:
            linked = None
            if part.inputs:
                linked = keys.get(id(part))
                if linked is None:
                    linked = f"{key}~{name}"
                    self.put(linked, part)
            inputs.append({"name": name, "label": part.label, "value": part.value, "unit": part.unit, "origin": part.origin, "note": part.note, "key": linked})
        self.figures[key] = {
            "label": figure.label, "value": figure.value, "unit": figure.unit, "expression": figure.expression,
            "source": figure.source, "origin": figure.origin, "note": figure.note, "inputs": inputs,
        }  # fmt: skip
        keys.setdefault(id(figure), key)
        self._kept.append(figure)
        return figure
