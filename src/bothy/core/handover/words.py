"""The words of the book, from one catalogue (book.en.ftl, in the Fluent format): a key and what is put in give a text in the language that is on."""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from functools import cache
from importlib import resources

from fluent.runtime import FluentBundle, FluentResource
from fluent.runtime.types import fluent_number

PSEUDO = "en-x-pseudo"
"""A language for tests: every text in marks, its vowels doubled, so that what escaped the catalogue and what breaks when words grow shows."""
_LANGUAGE: ContextVar[str] = ContextVar("language", default="en")


def language() -> str:
    """The language that is on."""
    return _LANGUAGE.get()


@contextmanager
def in_language(key: str) -> Iterator[None]:
    """Everything within is said in a language. Raises :class:`KeyError` for one without a catalogue."""
    _bundle(key)
    token = _LANGUAGE.set(key)
    try:
        yield
    finally:
        _LANGUAGE.reset(token)


def catalogue(key: str = "en") -> str:
    """The catalogue of a language as it is written."""
    if key == PSEUDO:
        return "\n".join(_stretched(line) for line in catalogue().splitlines())
    found = resources.files(__package__) / f"book.{key}.ftl"
    if not found.is_file():
        raise KeyError(f"there is no catalogue of the book in “{key}”")
    return found.read_text(encoding="utf-8")


def _stretched(line: str) -> str:
    key, is_, text = line.partition(" = ")
    if not is_ or line.startswith("#"):
        return line
    pieces = re.split(r"(\{[^}]*\})", text)
    return f"{key} = ⟦{''.join(p if p.startswith('{') else re.sub('[aeiou]', lambda m: 2 * m[0], p) for p in pieces)}⟧"


@cache
def _bundle(key: str) -> FluentBundle:
    made = FluentBundle(["en-GB" if key in ("en", PSEUDO) else key], use_isolating=False)
    made.add_resource(FluentResource(catalogue(key)))
    return made


def say(key: str, **put: str | int) -> str:
    """A text of the catalogue with what is put in; whole numbers stay numbers, so that a language may bend a word by them. Raises :class:`KeyError` for a key
    that the catalogue doesn't have, :class:`ValueError` where something that the text asks for wasn't put in."""
    made = _bundle(language())
    value = made.get_message(key).value if made.has_message(key) else None
    if value is None:
        raise KeyError(f"“{key}” is no text of the book")
    args = {k: fluent_number(v, useGrouping=False) if isinstance(v, int) else v for k, v in put.items()}
    text, errors = made.format_pattern(value, args)
    if errors:
        raise ValueError(f"“{key}”: {errors[0]}")
    return str(text)
