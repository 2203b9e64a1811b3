"""A thing of another stage as a line of Daily use, where its energy counts and its circuit is planned."""

from __future__ import annotations

from typing import Any

from bothy.core.context import Context
from bothy.core.finding import Remedy


def line_in_daily_use(ctx: Context, label: str, stem: str, line: dict[str, Any], item: str, id: str | None = None) -> Remedy:
    """The remedy that adds the fields of ``line`` as an appliance with a free id after ``stem``, and names it at ``item``, the path of the thing; with the
    thing's ``id``, only while that still stands there."""
    taken = {a.id for a in ctx.design.life.appliances}
    new = next(n for n in (stem, *(f"{stem}-{i}" for i in range(2, 500))) if n not in taken)
    still = [{"op": "test", "path": f"{item}/id", "value": id}] if id is not None else []
    return Remedy(
        label=label,
        patch=[
            *still,
            {"op": "add", "path": "/life/appliances/-", "value": {"id": new, **line}},
            {"op": "replace", "path": f"{item}/appliance", "value": new},
        ],
    )
