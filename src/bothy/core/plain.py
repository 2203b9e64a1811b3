"""Plain JSON data before anything is made of it: how deep, how much, and whether its texts are texts."""

from __future__ import annotations

import re
from typing import Any

from bothy.core.contract import BadInput
from bothy.core.words.says import core_says as says

DEEPEST, MOST_VALUES = 24, 100_000
"""Nesting and number of values that a design or the input of a sum may have."""
LEAST = 1e-9
"""A number nearer to nothing than this is nothing, or a slip: no length, mass or current of a vehicle is so small."""
_NOT_TEXT = re.compile("[\x00-\x08\x0b\x0c\x0e-\x1f\x7f-\x84\x86-\x9f\ud800-\udfff\ufdd0-\ufdef\ufffe\uffff\u200e\u200f\u202a-\u202e\u2066-\u2069]")
"""Control characters (but tab and new line), halves of a surrogate pair, what Unicode says is no character, and marks that turn the reading direction."""


def not_text(text: str) -> str | None:
    """What in a text is no character of a text, in words; None when all is well."""
    found = _NOT_TEXT.search(text)
    return None if found is None else says("holds-at-character-which", ord=f"{ord(found[0]):04X}", start=found.start() + 1)


def as_text(text: str) -> str:
    """The text with what is no character of a text taken out: for what was kept before such were refused."""
    return _NOT_TEXT.sub("", text)


def _refuse(path: str, why: str) -> BadInput:
    return BadInput(path.rsplit("/", 1)[-1] or "input", why, path[1:].replace("/", "."))


def check(data: Any, path: str = "", least: float = LEAST) -> int:
    """Refuse what is nested too deeply, too much, no text, or a number so near to 0 that sums with it run off; returns how many values there are.

    ``path`` is where the data stand, with a slash before each part; ``least`` the nearest to 0 that a number may be.

    Raises :class:`BadInput` that names the place.
    """
    return _check(data, path, 0, MOST_VALUES, least)


def _check(data: Any, path: str, depth: int, left: int, least: float) -> int:
    if depth > DEEPEST:
        raise _refuse(path, says("nested-more-than-deep", deepest=DEEPEST))
    items = data.items() if isinstance(data, dict) else enumerate(data)
    seen = len(data)
    for key, value in items:
        kind = type(value)
        if type(key) is str and _NOT_TEXT.search(key):
            raise _refuse(path, says("has-key-that", not_text=not_text(key)))
        if kind is str:
            if _NOT_TEXT.search(value):
                raise _refuse(f"{path}/{key}", str(not_text(value)))
        elif kind is float:
            if value != 0 and -least < value < least:
                raise _refuse(f"{path}/{key}", says("nearer-to-than-anything", value=value))
        elif kind is dict or kind is list:
            if value:
                seen += _check(value, f"{path}/{key}", depth + 1, left - seen, least)
        if seen > left:
            raise _refuse(path, says("holds-more-than-values", most_values=f"{MOST_VALUES:,}"))
    return seen
