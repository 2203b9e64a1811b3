"""Edits: JSON Patch on a design, checked as a whole; nothing changes when any part of it fails."""

from __future__ import annotations

import copy
from typing import Any

import jsonpatch
import jsonpointer
from pydantic import ValidationError

from bothy.core.contract import BadInput, explain
from bothy.core.design.base import Doc
from bothy.core.design.document import Design, load_design
from bothy.core.plain import MOST_VALUES, check
from bothy.core.words.says import design_says as says

MAX_OPERATIONS = 2000
EMPTY = Design()


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


SMALL_EDIT = 500
"""Values that an edit may bring whose untouched rest is shared with the design before it."""


def _touched(ops: list[dict[str, Any]]) -> dict[str, set[str]] | None:
    """The fields that simple operations touch, by part of the design; None where an operation goes beyond one field."""
    out: dict[str, set[str]] = {}
    for op in ops:
        parts = str(op["path"]).split("/")
        if op["op"] not in ("add", "remove", "replace", "test") or len(parts) < 3 or parts[0] or not isinstance(getattr(EMPTY, parts[1], None), Doc):
            return None
        if parts[2] not in type(getattr(EMPTY, parts[1])).model_fields or (len(parts) == 3 and op["op"] == "remove"):
            return None
        out.setdefault(parts[1], set()).add(parts[2])
    return out


def _shared(old: Any, plain: Any, now: Any) -> Any:
    """The value of a touched field: of a list, items that stayed as they were are the old ones (``old`` with its plain data ``plain``)."""
    if not (isinstance(old, list) and isinstance(now, list) and isinstance(plain, list)):
        return now
    kept = [(data, item) for data, item in zip(plain, old, strict=True) if isinstance(item, Doc)]
    out, at = [], 0
    for data in now:
        n = next((k for k in range(at, len(kept)) if kept[k][0] == data), None)
        out.append(data if n is None else kept[n][1])
        at = at if n is None else n + 1
    return out


def _loaded(design: Design, touched: dict[str, set[str]], plain: dict[str, Any], after: dict[str, Any]) -> Design:
    """The design with some fields of plain data; all that was not touched is the old design's own, so that what only reads that need not be made again."""
    check(after)
    whole: dict[str, Any] = {name: getattr(design, name) for name in Design.model_fields}
    for part, fields in touched.items():
        old = getattr(design, part)
        whole[part] = {
            name: _shared(getattr(old, name), plain[part][name], after[part][name]) if name in fields else getattr(old, name) for name in type(old).model_fields
        } | {k: v for k, v in after[part].items() if k not in type(old).model_fields}
    try:
        return Design.model_validate(whole)
    except ValidationError as exc:
        raise explain(exc) from None


def apply_patch(design: Design, ops: list[dict[str, Any]], *, by_proposal: bool = False) -> Design:
    """The design after a JSON Patch (RFC 6902). Raises :class:`BadInput` naming the field; the input is untouched.

    ``by_proposal`` leaves the mark of proposed items alone; otherwise a changed item counts as typed. Parts of the design that a small edit
    doesn't touch are the very same objects in both.
    """
    if len(ops) > MAX_OPERATIONS:
        raise BadInput("patch", says("has-operations-at-most", ops_count=len(ops), max_operations=MAX_OPERATIONS))
    ops = copy.deepcopy(ops)  # what they bring becomes part of the document, and may be changed by the next of them
    touched = _touched(ops)
    if touched is not None and sum(_grows({}, op) for op in ops) <= SMALL_EDIT:
        data, plain = ({part: getattr(design, part).model_dump(mode="json", include=fields) for part, fields in touched.items()} for _ in "12")
        return _loaded(design, touched, plain, _patched(data, ops, by_proposal))  # one of them is changed in place
    return load_design(_patched(design.model_dump(mode="json"), ops, by_proposal))


def patched(after: Any, ops: list[dict[str, Any]]) -> Any:
    """Plain data after the operations, made in place. Raises :class:`BadInput`, or :class:`PathGone` where a path is not there."""
    room = MOST_VALUES
    try:
        for op in ops:
            room -= _grows(after, op)
            if room < 0:
                raise BadInput("patch", says("would-make-design-larger", most_values=f"{MOST_VALUES:,}"))
            after = jsonpatch.apply_patch(after, [op], in_place=True)
    except BadInput:
        raise
    except jsonpatch.JsonPatchTestFailed as exc:
        raise PathGone("patch", says("item-changes-no-longer", exc=str(exc)[:200])) from None
    except (jsonpatch.JsonPatchException, jsonpointer.JsonPointerException, TypeError, KeyError, IndexError, ValueError) as exc:
        raise PathGone("patch", says("does-not-fit-design", exc=str(exc)[:200])) from None
    return after


def _patched(after: Any, ops: list[dict[str, Any]], by_proposal: bool) -> Any:
    """The document after the operations; what they change inside a proposed item becomes typed."""
    after = patched(after, ops)
    if not by_proposal:
        _flip_touched(after, ops)
    return after


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
