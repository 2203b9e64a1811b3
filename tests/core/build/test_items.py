"""What a task is made of, one by one, and what the log has ticked of it."""

from __future__ import annotations

import datetime as dt
from typing import Any

import pytest

from bothy.core.build.from_design import tasks_of
from bothy.core.build.items import items_of, left_of, ticked
from bothy.core.build.worked import build_part
from bothy.core.contract import BadInput
from bothy.core.design.edit import apply_patch
from bothy.core.facts.document import Facts
from bothy.core.report import report
from bothy.demo import curlew, saltbush

DAY = dt.date(2027, 3, 6)


@pytest.mark.parametrize("demo", [curlew, saltbush])
def test_items_are_things_of_the_design_and_each_is_there_once(demo: Any) -> None:
    d = demo.design()
    r = report(d)
    items = items_of(d, r)
    assert items.keys() & {t.id for t in tasks_of(d, r)}
    for rows in items.values():
        assert len(rows) > 1 and len({i.id for i in rows}) == len(rows)
    loads = [c.id for c in d.wiring.circuits if c.kind == "load"]
    assert [i.id for i in items["sf-loads"]] == [f"circuit:{k}" for k in loads]
    panels = sum(a.series_count * a.parallel_count for a in d.power.arrays if a.deploy != "ground")
    assert len(items["fit-solar"]) == panels
    assert all(t.kept is False for t in r.sides.things if any(t.key == i.id for i in items.get("cut-side", [])))


def test_a_tick_shows_and_what_came_since_is_told() -> None:
    """Two panels ticked of four: half of the task; all four and then a fifth panel: the task stays done, and the fifth is named."""
    d = curlew.design()
    panels = items_of(d, report(d))["fit-solar"]
    some = {"id": "e", "task": "fit-solar", "hours": 0, "done_frac": 0.5, "items": [p.id for p in panels[:2]], "on": "2027-03-05"}

    def part(design: Any, *log: dict[str, Any]) -> Any:
        return build_part(design, report(design), Facts.model_validate({"log": list(log)}), DAY)

    half = next(t for t in part(d, some).tasks if t.id == "fit-solar")
    assert [x.done for x in half.items] == [True, True, *[False] * (len(panels) - 2)] and half.done == 0.5
    rest = {**some, "id": "f", "done_frac": 1, "items": [p.id for p in panels[2:]]}
    more = apply_patch(d, [{"op": "replace", "path": "/power/arrays/0/parallel_count", "value": d.power.arrays[0].parallel_count + 1}])
    assert "build-items-left" not in {f.rule for f in part(d, some, rest).findings}
    grown = part(more, some, rest)
    task = next(t for t in grown.tasks if t.id == "fit-solar")
    assert task.state == "done" and sum(not x.done for x in task.items) == len(task.items) - len(panels) > 0
    said = next(f for f in grown.findings if f.rule == "build-items-left")
    assert said.subject == "fit-solar" and task.items[-1].name in said.message


def test_a_task_that_was_never_ticked_one_by_one_is_not_asked_about() -> None:
    d = curlew.design()
    items = items_of(d, report(d))
    log = Facts.model_validate({"log": [{"id": "e", "task": "fit-solar", "hours": 3, "on": "2027-03-05"}]}).log
    assert left_of(items, ticked(log), ["fit-solar"]) == {}


def test_a_tick_without_a_name_is_refused() -> None:
    with pytest.raises((BadInput, ValueError)):
        Facts.model_validate({"log": [{"id": "e", "task": "fit-solar", "hours": 0, "items": [""]}]})
