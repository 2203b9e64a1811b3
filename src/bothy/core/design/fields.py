"""The keys of all that a design holds."""

from __future__ import annotations

import typing
from functools import cache
from typing import Any

from pydantic import BaseModel

from bothy.core.design.document import Design


@cache
def field_keys() -> frozenset[str]:
    """The key of every field of the design, at any depth: ``length_m``, ``fuse_a``, ``tanks``."""
    seen: set[type[BaseModel]] = set()
    keys: set[str] = set()

    def walk(kind: Any) -> None:
        for inner in typing.get_args(kind):
            walk(inner)
        if isinstance(kind, type) and issubclass(kind, BaseModel) and kind not in seen:
            seen.add(kind)
            keys.update(kind.model_fields)
            for field in kind.model_fields.values():
                walk(field.annotation)

    walk(Design)
    return frozenset(keys)
