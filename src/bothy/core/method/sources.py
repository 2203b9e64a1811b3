"""Sources as typed values: what a figure's formula or a rule rests on. Every method's id is one of the registry's, or it is refused as soon as it is written.

>>> (Method("wiring.voltage-drop") + Standard("ISO 13297"))[1].text
'ISO 13297'
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, ClassVar, Literal

from typing_extensions import TypedDict

from bothy.core.method.registry import SECTIONS
from bothy.core.words.says import method_says as says

Kind = Literal["method", "standard", "maker", "own"]


class SourceOut(TypedDict):
    """A source as it is sent: its kind, its words, and the section that it opens (None for what is only named)."""

    kind: Kind
    text: str
    method: str | None


class _Once(type):
    """Makes each source once: a report names two thousand, of some hundred different ones."""

    made: ClassVar[dict[tuple[Any, ...], Any]] = {}

    def __call__(cls, *words: str) -> Any:
        key = (cls, *words)
        found = cls.made.get(key)
        if found is None:
            if len(cls.made) >= MOST_KEPT:
                cls.made.clear()
            found = cls.made[key] = super().__call__(*words)
        return found


MOST_KEPT = 5000
"""Sources that are kept at once: some notes hold the name of what is fitted."""


@dataclass(frozen=True, slots=True)
class Source(metaclass=_Once):
    """One source. ``+`` joins several to a tuple."""

    def __add__(self, other: Cited) -> tuple[Source, ...]:
        return (self, *sources(other))

    def __radd__(self, other: tuple[Source, ...]) -> tuple[Source, ...]:
        return (*other, self)

    @property
    def kind(self) -> Kind:
        return "own"

    @property
    def text(self) -> str:
        """The source in words."""
        return ""


Cited = Source | tuple[Source, ...]
"""What is given as a source: one, or several."""


@dataclass(frozen=True, slots=True)
class Method(Source):
    """A section of the method (``field.section``), with a word on what of it. Raises ValueError where there is no such section."""

    id: str
    note: str = ""

    def __post_init__(self) -> None:
        if self.id not in SECTIONS:
            raise ValueError(f"there is no section “{self.id}” of the method")

    @property
    def kind(self) -> Kind:
        return "method"

    @property
    def text(self) -> str:
        return f"{SECTIONS[self.id]}: {self.note}" if self.note else SECTIONS[self.id]


@dataclass(frozen=True, slots=True)
class Standard(Source):
    """A standard, law or paper by its name, with the clause where one is meant. It is named, not reproduced."""

    name: str
    clause: str = ""

    @property
    def kind(self) -> Kind:
        return "standard"

    @property
    def text(self) -> str:
        return f"{self.name}, {self.clause}" if self.clause else self.name


@dataclass(frozen=True, slots=True)
class Maker(Source):
    """The data sheet or manual of what is fitted."""

    what: str = says("data-sheet")

    @property
    def kind(self) -> Kind:
        return "maker"

    @property
    def text(self) -> str:
        return says("makers", what=self.what)


@dataclass(frozen=True, slots=True)
class OwnChoice(Source):
    """A choice of ours, with its reason: the practice of careful converters, a typical value, caution."""

    reason: str

    @property
    def text(self) -> str:
        return self.reason


def sources(cited: Cited) -> tuple[Source, ...]:
    """What was given as a source, as a tuple."""
    return cited if isinstance(cited, tuple) else (cited,)


def written(cited: Cited) -> list[SourceOut]:
    """Sources as plain data, in their order."""
    return [{"kind": s.kind, "text": s.text, "method": s.id if isinstance(s, Method) else None} for s in sources(cited)]


def in_words(cited: Cited) -> str:
    """Sources in one line."""
    return "; ".join(s.text for s in sources(cited))


def listed(*cited: Cited) -> list[SourceOut]:
    """All of some sources once, without the notes on single figures: methods in the order of the pages, then standards, makers and own choices by name."""
    kinds: tuple[Kind, ...] = ("method", "standard", "maker", "own")
    pages = {id: i for i, id in enumerate(SECTIONS)}
    found = {Method(s.id) if isinstance(s, Method) else s for one in cited for s in sources(one)}
    return written(tuple(sorted(found, key=lambda s: (kinds.index(s.kind), pages[s.id] if isinstance(s, Method) else 0, s.text))))
