"""Catalogues of texts in the Fluent format: a key and what is put in give a text in the language that is on."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from contextvars import ContextVar
from importlib import resources

from fluent.runtime import FluentBundle, FluentResource
from fluent.runtime.types import fluent_number

PSEUDO = "en-x-pseudo"
"""A language for tests: every text in marks, its vowels doubled, so that what escaped the catalogues and what breaks when words grow shows."""
_LANGUAGE: ContextVar[str] = ContextVar("language", default="en")
_ALL: list[Catalogue] = []


def language() -> str:
    """The language that is on."""
    return _LANGUAGE.get()


@contextmanager
def in_language(key: str) -> Iterator[None]:
    """Everything within is said in a language. Raises :class:`KeyError` for one that a catalogue doesn't have."""
    for one in _ALL:
        one.bundle(key)
    token = _LANGUAGE.set(key)
    try:
        yield
    finally:
        _LANGUAGE.reset(token)


def _stretched(line: str) -> str:
    key, is_, text = line.partition(" = ")
    if not is_ or line.startswith("#"):
        return line
    pieces = re.split(r"(\{[^}]*\})", text)
    return f"{key} = ⟦{''.join(p if p.startswith('{') else re.sub('[aeiou]', lambda m: 2 * m[0], p) for p in pieces)}⟧"


class Catalogue:
    """Texts of one subject, in files of a package: ``names`` without language and ending, as ``rules/water`` for ``rules/water.en.ftl``."""

    def __init__(self, package: str, names: Sequence[str]) -> None:
        self._package, self._names = package, tuple(names)
        self._bundles: dict[str, FluentBundle] = {}
        self._plain: dict[tuple[str, str, str], str | None] = {}
        _ALL.append(self)

    def source(self, key: str = "en") -> str:
        """All of it in a language, as it is written. Raises :class:`KeyError` for one that it doesn't have."""
        if key == PSEUDO:
            return "\n".join(_stretched(line) for line in self.source().splitlines())
        found = [resources.files(self._package) / f"{name}.{key}.ftl" for name in self._names]
        if not all(file.is_file() for file in found):
            raise KeyError(f"there is no catalogue of {', '.join(self._names)} in “{key}”")
        return "\n".join(file.read_text(encoding="utf-8") for file in found)

    def bundle(self, key: str) -> FluentBundle:
        """It in a language, read once. Raises :class:`KeyError` for one that it doesn't have."""
        made = self._bundles.get(key)
        if made is None:
            made = self._bundles[key] = FluentBundle(["en-GB" if key in ("en", PSEUDO) else key], use_isolating=False)
            made.add_resource(FluentResource(self.source(key)))
        return made

    def say(self, key: str, **put: str | int) -> str:
        """A text with what is put in; whole numbers stay numbers, so that a language may bend a word by them. Raises :class:`KeyError` for a key that the
        catalogue doesn't have, :class:`ValueError` where something that the text asks for wasn't put in."""
        made = self.bundle(language())
        value = made.get_message(key).value if made.has_message(key) else None
        if value is None:
            raise KeyError(f"“{key}” is no text of {', '.join(self._names)}")
        args = {k: fluent_number(v, useGrouping=False) if isinstance(v, int) else v for k, v in put.items()}
        text, errors = made.format_pattern(value, args)
        if errors:
            raise ValueError(f"“{key}”: {errors[0]}")
        return str(text)

    def plain(self, key: str, attribute: str = "") -> str | None:
        """A text into which nothing is put, or one of its attributes; None where it has none of that name. Raises :class:`KeyError` for an unknown key."""
        asked = (language(), key, attribute)
        if asked not in self._plain:
            self._plain[asked] = self.say(key) if not attribute else self._attribute(key, attribute)
        return self._plain[asked]

    def _attribute(self, key: str, name: str) -> str | None:
        made = self.bundle(language())
        if not made.has_message(key):
            raise KeyError(f"“{key}” is no text of {', '.join(self._names)}")
        value = made.get_message(key).attributes.get(name)
        return None if value is None else str(made.format_pattern(value)[0])
