"""Every calculator by name: its contract, function and place. The report uses the same functions.

A calculator is a pure function ``(input, sources) -> output``; see :mod:`bothy.core.contract`.
"""

from __future__ import annotations

from typing import Any

from bothy.core.book import Book, Written
from bothy.core.calculators import build, fit, gas, handover, power, proving, trips, warmth, water, wiring
from bothy.core.calculators.entry import Calculator
from bothy.core.contract import BadInput, Outcome, parse
from bothy.core.plain import check
from bothy.core.words.says import calculators_says as says

FIELDS = (power, wiring, trips, warmth, water, gas, fit, build, proving, handover)
CALCULATORS: dict[str, Calculator] = {c.name: c for field in FIELDS for c in field.TABLE}


def plain_answer(name: str, data: Any) -> dict[str, Any]:
    """A calculator's output as plain data. Raises :class:`BadInput`."""
    return calculate(name, data).dump()


def worked_answer(name: str, data: Any) -> tuple[dict[str, Any], Written]:
    """A calculator's output as plain data, and the working of each figure of it. Raises :class:`BadInput`."""
    out, book = calculate(name, data), Book(sum_of=CALCULATORS[name].field)
    for key, figure in out.working.items():
        book.put(key, figure)
    return out.dump(), book.all_workings()


def calculate(name: str, data: Any) -> Outcome:
    """Run a calculator on raw JSON data. Raises :class:`BadInput` that names the key."""
    calculator = CALCULATORS.get(name)
    if calculator is None:
        raise BadInput("calc", says("not-calculator-names", name=name, calculators=", ".join(CALCULATORS)))
    if isinstance(data, dict):
        check(data, least=0.0)
    return calculator.run(parse(calculator.input, data))
