"""Sparks and fumes kept apart: what throws sparks comes before what burns, and never within hours of solvents in the same space (practice)."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from bothy.core.build.templates import Template

HOT = ("rust-treat", "cut-windows", "cut-roof", "cut-side", "cut-floor", "fit-pop-top", "fit-through-hull")
"""Grinding, sawing and drilling of metal."""
IGNITES = (*HOT, "com-heating", "com-gas")
"""What sparks, glows or burns in the vehicle."""
SOLVENT = ("carpet-trim", "varnish-furniture", "insulate-spray")
"""Contact adhesive, varnish, foam."""
APART_SLOTS = 8
"""Half hours between fumes and a spark: four hours (data sheets of contact adhesives)."""
BEFORE_WHAT_BURNS = ("insulate-walls", "insulate-spray", "insulate-doors", "insulate-ceiling", "place-batteries")
FIRST = {k: tuple(h for h in HOT if h != "fit-through-hull") for k in BEFORE_WHAT_BURNS} | {"floor-insulation": ("cut-floor",)}


def hot_first(templates: Mapping[str, Template]) -> dict[str, Template]:
    """The library with metal cut and ground before anything goes in that burns; an order of one's own that says otherwise makes no circle of it."""
    out = dict(templates)
    for k, before in FIRST.items():
        if k in out:
            mine = {p: False for p in before if p in out and k not in out[p].hard and p not in out[k].hard}
            out[k] = out[k]._replace(hard={**out[k].hard, **mine})
    return out


class Apart:
    """Half hours in which a spark or a solvent may not be, by what is planned already."""

    def __init__(self, n: int) -> None:
        self._no_spark, self._no_solvent = np.zeros(n, dtype=bool), np.zeros(n, dtype=bool)

    def allowed(self, task: str) -> np.ndarray | None:
        """Half hours that are left for a task; None: all are."""
        return ~self._no_spark if task in IGNITES else ~self._no_solvent if task in SOLVENT else None

    def placed(self, task: str, pieces: tuple[tuple[int, int], ...]) -> None:
        """A task is planned."""
        for i, j in pieces:
            if task in SOLVENT:
                self._no_spark[i : j + APART_SLOTS] = True
            if task in IGNITES:
                self._no_solvent[max(0, i - APART_SLOTS) : j] = True
