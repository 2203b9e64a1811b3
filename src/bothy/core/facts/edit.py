"""Edits of what was measured: JSON Patch on the facts, under the path ``/facts``."""

from __future__ import annotations

import copy
from collections.abc import Mapping, Sequence
from typing import Any

from pydantic import ValidationError

from bothy.core.contract import BadInput, explain
from bothy.core.design.edit import MAX_OPERATIONS, patched
from bothy.core.facts.document import Facts
from bothy.core.plain import check
from bothy.core.words.says import facts_says as says

ROOT = "/facts/"


def of_facts(ops: Sequence[Mapping[str, Any]]) -> bool:
    """Whether operations change what was measured. Raises :class:`BadInput` where some do and others change the design."""
    mine = [str(op["path"]).startswith(ROOT) for op in ops]
    if any(mine) and not all(mine):
        raise BadInput("ops", says("change-either-design-or"))
    return all(mine)


def apply_to_facts(facts: Facts, ops: list[dict[str, Any]]) -> Facts:
    """The facts after a JSON Patch. Raises :class:`BadInput` naming the field; the input is untouched."""
    if len(ops) > MAX_OPERATIONS:
        raise BadInput("patch", says("has-operations-at-most", ops_count=len(ops), max_operations=MAX_OPERATIONS))
    after = patched({"facts": facts.model_dump(mode="json")}, copy.deepcopy(ops))
    check(after)
    try:
        return Facts.model_validate(after["facts"])
    except ValidationError as exc:
        raise explain(exc) from None
