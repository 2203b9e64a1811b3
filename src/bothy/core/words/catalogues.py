"""Catalogues of texts in the Fluent format: a key and what is put in give a text in the language that is on."""

from __future__ import annotations

import os
import re
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from contextvars import ContextVar
from importlib import resources

from fluent.runtime import FluentBundle, FluentResource
from fluent.runtime.resolver import Pattern
from fluent.runtime.types import FluentType, fluent_number
from fluent.syntax.ast import Attribute, Message, SelectExpression, TextElement
from fluent.syntax.visitor import Transformer

from bothy.core.words.amounts import FUNCTIONS

PSEUDO = "en-x-pseudo"
"""A language for tests: every text in marks, its vowels doubled, so that what escaped the catalogues and what breaks when words grow shows."""
_SPOKEN: str = os.environ.get("BOTHY_LANGUAGE") or "en"
_LANGUAGE: ContextVar[str] = ContextVar("language", default=_SPOKEN)
"""Tables say their texts while they are loaded, so all of a program speaks one language: that of ``BOTHY_LANGUAGE``, English where it isn't set."""
_ALL: list[Catalogue] = []
MOST_KEPT = 4000
"""Texts that a catalogue keeps as they were said: a report says nearly all that the one before it said."""


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


class _Stretched(Transformer):
    """A catalogue in the pseudo-language."""

    def visit_TextElement(self, node: TextElement) -> TextElement:
        node.value = re.sub("[aeiou]", lambda m: 2 * m[0], node.value)
        return node

    def _marked(self, node: Message | Attribute) -> Message | Attribute:
        self.generic_visit(node)
        if node.value is not None:
            node.value.elements = [TextElement("⟦"), *node.value.elements, TextElement("⟧")]
        return node

    visit_Message = visit_Attribute = _marked


def _chooses(pattern: Pattern) -> bool:
    # what is nothing but words has no elements
    return any(isinstance(getattr(e, "expression", None), SelectExpression) for e in getattr(pattern, "elements", (pattern,)))


class Catalogue:
    """Texts of one subject, in files of a package: ``names`` without language and ending, as ``rules/water`` for ``rules/water.en.ftl``."""

    def __init__(self, package: str, names: Sequence[str]) -> None:
        self._package, self._names = package, tuple(names)
        self._bundles: dict[str, FluentBundle] = {}
        self._plain: dict[tuple[str, str, str], str | None] = {}
        self._said: dict[tuple[str, ...], str] = {}
        _ALL.append(self)

    def source(self, key: str = "en") -> str:
        """All of it in a language, as it is written. Raises :class:`KeyError` for one that it doesn't have."""
        found = [resources.files(self._package) / f"{name}.{key}.ftl" for name in self._names]
        if not all(file.is_file() for file in found):
            raise KeyError(f"there is no catalogue of {', '.join(self._names)} in “{key}”")
        return "\n".join(file.read_text(encoding="utf-8") for file in found)

    def bundle(self, key: str) -> FluentBundle:
        """It in a language, read once. Raises :class:`KeyError` for one that it doesn't have."""
        made = self._bundles.get(key)
        if made is None:
            made = self._bundles[key] = FluentBundle(["en-GB" if key in ("en", PSEUDO) else key], functions=FUNCTIONS, use_isolating=False)
            said = FluentResource(self.source("en" if key == PSEUDO else key))
            made.add_resource(_Stretched().visit(said) if key == PSEUDO else said)
        return made

    def say(self, key: str, /, **put: object) -> str:
        """A text with what is put in. Numbers stay numbers, so that the text says how they are written and a language may bend a word by them; what is true or
        not chooses between “yes” and “no”; all else is put in as it is written. Raises :class:`KeyError` for a key that the catalogue doesn't have,
        :class:`ValueError` where something that the text asks for wasn't put in."""
        spoken = language()
        if not put and (known := self._said.get((spoken, key))) is not None:
            return known
        written: dict[str, str | FluentType] = {k: "yes" if v is True else "no" if v is False else str(v) for k, v in put.items()}
        asked = (spoken, key, *(str(x) for pair in written.items() for x in pair))
        if (known := self._said.get(asked)) is not None:
            return known
        made = self.bundle(spoken)
        value = made.get_message(key).value if made.has_message(key) else None
        if value is None:
            raise KeyError(f"“{key}” is no text of {', '.join(self._names)}")
        if _chooses(value):  # what a text chooses by stays a number
            written |= {k: fluent_number(v, useGrouping=False) for k, v in put.items() if isinstance(v, int | float) and not isinstance(v, bool)}
        text, errors = made.format_pattern(value, written)
        if errors:
            raise ValueError(f"“{key}”: {errors[0]}")
        if len(self._said) >= MOST_KEPT:
            self._said.clear()
        self._said[asked] = str(text)
        return self._said[asked]

    def find(self, key: str) -> str | None:
        """A text into which nothing is put; None where there is none of this key."""
        return self.say(key) if self.bundle(language()).has_message(key) else None

    def plain(self, key: str, attribute: str = "") -> str | None:
        """A text into which nothing is put, or one of its attributes; None where it has none of that name. Raises :class:`KeyError` for an unknown key."""
        if not attribute:
            return self.say(key)
        asked = (language(), key, attribute)
        if asked not in self._plain:
            self._plain[asked] = self._attribute(key, attribute)
        return self._plain[asked]

    def _attribute(self, key: str, name: str) -> str | None:
        made = self.bundle(language())
        if not made.has_message(key):
            raise KeyError(f"“{key}” is no text of {', '.join(self._names)}")
        value = made.get_message(key).attributes.get(name)
        return None if value is None else str(made.format_pattern(value)[0])
