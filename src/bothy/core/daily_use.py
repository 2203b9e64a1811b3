"""A thing of another stage as a line of Daily use, where its energy counts and its circuit is planned."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from bothy.core.context import Context
from bothy.core.design.life import Appliance
from bothy.core.finding import Finding, Remedy, finding
from bothy.core.words.says import core_says as says


def free_line(ctx: Context, stem: str) -> str:
    """A free id of a line after ``stem``."""
    taken = {a.id for a in ctx.design.life.appliances}
    return next(n for n in (stem, *(f"{stem}-{i}" for i in range(2, 500))) if n not in taken)


def line_in_daily_use(ctx: Context, stem: str, line: dict[str, Any], item: str, id: str | None = None) -> Remedy:
    """The remedy that adds the fields of ``line`` as an appliance with a free id after ``stem``, and names it at ``item``, the path of the thing; with the
    thing's ``id``, only while that still stands there."""
    new = free_line(ctx, stem)
    return Remedy(
        label=says("first-step-line"),
        patch=[
            *_still(item, id),
            {"op": "add", "path": "/life/appliances/-", "value": {"id": new, **line}},
            {"op": "replace", "path": f"{item}/appliance", "value": new},
        ],
    )


def uncounted(
    ctx: Context, rule: str, subject: str, name: str, stem: str, line: dict[str, Any], item: str, may_be: Sequence[Appliance], id: str | None = None
) -> Finding:
    """A thing that draws current and has no line in Daily use: the finding of ``rule``, with the line that it would be as its remedy.

    ``may_be``: lines that could be the thing; then it is asked whether one of them is. ``item``, ``id``: as in :func:`line_in_daily_use`.
    """
    added = line_in_daily_use(ctx, stem, line, item, id)
    if not may_be:
        return finding(rule, subject, name, says("no-line-stands-for"), fix=added)
    answers = [
        Remedy(label=says("is-that-line", line=a.name), patch=[*_still(item, id), {"op": "replace", "path": f"{item}/appliance", "value": a.id}])
        for a in may_be[:3]
    ]
    another = added.model_copy(update={"label": says("is-another-line")})
    return finding(rule, subject, name, says("which-line-stands-for"), severity="question", answers=[*answers, another])


def _still(item: str, id: str | None) -> list[dict[str, Any]]:
    return [{"op": "test", "path": f"{item}/id", "value": id}] if id is not None else []
