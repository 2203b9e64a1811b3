"""Edits: JSON Patch on a design, checked as a whole; nothing changes when any part of it fails."""

from __future__ import annotations

import copy
from typing import Any

import jsonpatch
import jsonpointer

from bothy.core.contract import BadInput
from bothy.core.design.document import Design, load_design
from bothy.core.plain import MOST_VALUES, check

MAX_OPERATIONS = 2000


class PathGone(BadInput):
    """A patch names a place that is not there, or a test in it failed."""


def _flip_touched(data: dict[str, Any], ops: list[dict[str, Any]]) -> None:
    """What a person changes inside a proposed item becomes typed, so that no proposal overwrites it."""
    for op in ops:
        path = op["path"].split("/")[1:]
        if op["op"] not in ("replace", "add") or not path or path[-1] == "by":
            continue
        for end in range(len(path) - 1, 0, -1):
            try:
                holder = jsonpointer.resolve_pointer(data, "/" + "/".join(path[:end]))
            except jsonpointer.JsonPointerException:
                continue
            if isinstance(holder, dict) and holder.get("by") == "proposal":
                holder["by"] = "typed"
                break


def _grows(data: Any, op: dict[str, Any]) -> int:
    """How many values an operation may add, before it is done: a list copied into itself doubles each time."""
    if op["op"] == "copy":
        try:
            source = jsonpointer.resolve_pointer(data, op.get("from") or "")
        except jsonpointer.JsonPointerException:
            return 1
        return 1 + (check(source) if isinstance(source, (dict, list)) else 0)
    if op["op"] not in ("add", "replace", "test"):
        return 0
    holder, _, last = str(op["path"]).rpartition("/")
    return 1 + check({last: op.get("value")}, holder)


def apply_patch(design: Design, ops: list[dict[str, Any]], *, by_proposal: bool = False) -> Design:
    """The design after a JSON Patch (RFC 6902). Raises :class:`BadInput` naming the field; the input is untouched.

    ``by_proposal`` leaves the mark of proposed items alone; otherwise a changed item counts as typed.
    """
    if len(ops) > MAX_OPERATIONS:
        raise BadInput("patch", f"has {len(ops)} operations; at most {MAX_OPERATIONS} in one edit")
    data = design.model_dump(mode="json")
    room = MOST_VALUES
    after: Any = data
    ops = copy.deepcopy(ops)  # what they bring becomes part of the document, and may be changed by the next of them
    try:
        for op in ops:
            room -= _grows(after, op)
            if room < 0:
                raise BadInput("patch", f"would make the design larger than {MOST_VALUES:,} values")
            after = jsonpatch.apply_patch(after, [op], in_place=True)
    except BadInput:
        raise
    except jsonpatch.JsonPatchTestFailed as exc:
        raise PathGone("patch", f"the item it changes is no longer there ({str(exc)[:200]})") from None
    except (jsonpatch.JsonPatchException, jsonpointer.JsonPointerException, TypeError, KeyError, IndexError, ValueError) as exc:
        raise PathGone("patch", f"does not fit the design: {str(exc)[:200]}") from None
    if not by_proposal:
        _flip_touched(after, ops)
    return load_design(after)


def changed_paths(old: Any, new: Any, path: str = "", limit: int = 200) -> list[str]:
    """Paths that differ between two documents; items of a list are matched by their id."""
    if type(old) is not type(new):
        return [path or "/"]
    out: list[str] = []
    if isinstance(old, dict):
        for key in dict.fromkeys([*old, *new]):
            if key not in old or key not in new:
                out.append(f"{path}/{key}")
            else:
                out += changed_paths(old[key], new[key], f"{path}/{key}", limit)
    elif isinstance(old, list):
        if all(isinstance(x, dict) and _name(x) for x in [*old, *new]):
            out += changed_paths({_name(x): x for x in old}, {_name(x): x for x in new}, path, limit)
        elif old != new:
            out.append(path)
    elif old != new:
        out.append(path)
    return out[:limit]


def _name(item: dict[str, Any]) -> str | None:
    return item.get("id") or item.get("circuit") or item.get("finding")
