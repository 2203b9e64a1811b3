"""Every rule of power and wiring is silent on a neighbour of the design that raises it: one value changed, and where it is a number, close to the
threshold on both sides."""

from __future__ import annotations

import copy
import json
import pathlib
from collections.abc import Iterator
from typing import Any

import pytest

from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.report import Report, report
from tests.core.test_rules import RAISED

FACTORS = (0.5, 2.0, 0.1, 10.0)
CLOSE = 0.01
Path = tuple[str | int, ...]
Near = tuple[Path, Any, Any]
FOUND = pathlib.Path(__file__).with_name("thresholds.json")
"""For each rule the value by whose change it falls silent, and what it is then; sought once, because that takes fifty reports a rule."""
ANEW = "no longer silent there: python -m tests.core.test_thresholds seeks the neighbours anew"


def leaves(data: Any, at: Path = ()) -> Iterator[tuple[Path, Any]]:
    """Every value of a document with its path."""
    items = data.items() if isinstance(data, dict) else enumerate(data) if isinstance(data, list) else ()
    for k, v in items:
        if isinstance(v, (dict, list)):
            yield from leaves(v, (*at, k))
            yield (*at, k), v
        elif k not in ("id", "schema_version", "name"):
            yield (*at, k), v


def changed(data: Any, path: Path, value: Any) -> Any:
    """A copy with another value at a path; with None the key or item is left out."""
    out = copy.deepcopy(data)
    here = out
    for k in path[:-1]:
        here = here[k]
    if value is None:
        del here[path[-1]]
    else:
        here[path[-1]] = value
    return out


def raises(rule: str, data: Any, before: Report | None = None) -> bool | None:
    """Whether a rule is raised; None where the document is refused. ``before``: the report of a neighbour, of which what is the same is taken."""
    try:
        return rule in {f.rule for f in report(load_design(copy.deepcopy(data)), (), before).findings}
    except BadInput:
        return None


def number(v: Any) -> bool:
    return isinstance(v, (int, float)) and not isinstance(v, bool) and v != 0


def neighbour(rule: str, data: Any) -> Near | None:
    """One value by whose change the rule falls silent: its path, what it was and what it is then. Numbers first."""
    found, here = list(leaves(data)), report(load_design(copy.deepcopy(data)))
    for path, v in (x for x in found if number(x[1])):
        for factor in FACTORS:
            new = type(v)(v * factor)
            if new != v and raises(rule, changed(data, path, new), here) is False:
                return path, v, new
    for path, v in (x for x in found if not number(x[1])):
        for new in ((not v) if isinstance(v, bool) else None, None):
            if raises(rule, changed(data, path, new), here) is False:
                return path, v, new
    return None


def at(data: Any, path: Path) -> Any:
    for k in path:
        data = data[k]
    return data


@pytest.mark.parametrize("rule", sorted(RAISED))
def test_a_neighbour_is_silent_on_both_sides_of_the_threshold(rule: str) -> None:
    data, kept = RAISED[rule], json.loads(FOUND.read_text(encoding="utf-8"))
    assert rule in kept, ANEW
    path, silent = kept[rule]
    loud, here = at(data, path), report(load_design(copy.deepcopy(data)))
    assert rule in {f.rule for f in here.findings}
    assert raises(rule, changed(data, path, silent), here) is False, ANEW
    if not (number(loud) and number(silent)) or isinstance(loud, int):
        return
    for _ in range(30):
        if abs(loud - silent) <= CLOSE * abs(loud):
            break
        middle = (loud + silent) / 2
        if raises(rule, changed(data, path, middle), here):
            loud = middle
        else:
            silent = middle
    assert abs(loud - silent) <= CLOSE * abs(loud)


def main() -> None:
    """Seek the neighbours anew."""
    found = {rule: neighbour(rule, RAISED[rule]) for rule in sorted(RAISED)}
    assert None not in found.values(), [k for k, v in found.items() if v is None]
    rows = [f"  {json.dumps(rule)}: {json.dumps([near[0], near[2]])}" for rule, near in found.items() if near is not None]
    FOUND.write_text("{\n" + ",\n".join(rows) + "\n}\n", encoding="utf-8")


if __name__ == "__main__":
    main()
