"""Parts of a report kept from the last one: each with all that it read, and taken again while all of that is the same.

A part is a function of the context and of earlier parts. While it runs, the context notes what it looks at: fields of the design
(``life``, ``people``), settled values (``cold_c``), typed figures. Nothing has to be declared, so nothing can be forgotten.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from typing import Any, Concatenate, NamedTuple, ParamSpec, TypeVar, cast

from bothy.core.context import Assumption, Context
from bothy.core.design.base import Doc
from bothy.core.design.document import Design
from bothy.core.design.wiring import Circuit
from bothy.core.figure import Figure
from bothy.core.words.says import core_says as says

P = ParamSpec("P")
T = TypeVar("T")
FACTS = "facts"
Reads = dict[tuple[str, str], Any]
"""What a part looked at -> the value it saw: (part of the design, field), ("facts", field), ("ctx", settled value), ("said", path of a typed
figure), ("circuits of", kind)."""
KINDS = says("circuits")
FOUND = {"appliance": ("life", "appliances"), "board": ("wiring", "boards"), "circuit": ("wiring", "circuits")}
"""What the design finds by id, and the list that it looks through."""
SETTLED = frozenset(vars(Context(Design()))) - {"design", "facts", "book", "assumptions", "said", "kept"}
"""Names of what a context settles when it is made."""


class Looked:
    """The design, or a part of it, as a part of the report sees it: what is looked at is noted the first time. Read only; it can't be compared as a whole."""

    def __init__(self, doc: Doc, name: str, reads: Reads) -> None:
        self._doc, self._name, self._reads = doc, name, reads

    def __getattr__(self, field: str) -> Any:
        """Called for what was not looked at yet; from then on it stands in the object itself."""
        doc, name = self._doc, self._name
        value = getattr(doc, field)
        if not name and field in FOUND:
            of, items = FOUND[field]
            self._reads[of, items] = getattr(getattr(doc, of), items)
        elif not name and field == "circuits_of":
            return self._circuits_of
        elif not name and isinstance(value, Doc):
            value = Looked(value, field, self._reads)
        elif field in type(doc).model_fields:
            self._reads[name, field] = value
        else:  # a property or a method may look at all of it
            self._reads[name, ""] = doc
        self.__dict__[field] = value
        return value

    def _circuits_of(self, *kinds: str) -> list[Circuit]:
        design: Any = self._doc
        for kind in kinds:
            self._reads[KINDS, kind] = design.circuits_of(kind)
        return cast(list[Circuit], design.circuits_of(*kinds))

    def __eq__(self, other: object) -> bool:
        raise TypeError("a design is compared field by field while a report is made")

    __hash__ = None  # type: ignore[assignment]


class Seen(Context):
    """The context of a report as one of its parts sees it: what is looked at is noted the first time."""

    def __init__(self, of: Context, parts: Parts) -> None:
        reads: Reads = {}
        self.__dict__.update(
            book=of.book,
            assumptions=of.assumptions,
            said=of.said,
            kept=of.kept,
            of=of,
            parts=parts,
            reads=reads,
            design=Looked(of.design, "", reads),
            facts=Looked(of.facts, FACTS, reads),
        )

    def __getattr__(self, name: str) -> Any:
        """Called for what was not looked at yet; from then on it stands in the object itself."""
        if name not in SETTLED:
            raise AttributeError(name)
        value = self.__dict__[name] = self.reads["ctx", name] = self.of.__dict__[name]
        return value

    def figure(self, path: str) -> Figure:
        """The typed or assumed value at a path, as a figure."""
        found = self.reads["said", path] = super().figure(path)
        return found

    def part(self, name: str, work: Callable[Concatenate[Context, P], T], *given: P.args, **none: P.kwargs) -> T:
        """A part within this one, that may be taken again when this one is not."""
        result, reads = self.parts.made(name, work, *given, **none)
        self.reads.update(reads)
        return cast(T, result)

    def still(self, name: str, work: Callable[Concatenate[Context, P], T], *given: P.args, **none: P.kwargs) -> T:
        """A part within this one that is the very object it was wherever it comes out the same, so that what is made from it is taken again too.
        For what puts no figures into the book."""
        before = self.parts.before(name)
        self.part(name, work, *given, **none)
        return cast(T, self.parts.settle(name, before))


def _now(ctx: Context, key: tuple[str, str]) -> Any:
    """What a part would see under a key today."""
    of, name = key
    if of == "ctx":
        return ctx.__dict__[name]
    if of == KINDS:
        return ctx.design.circuits_of(name)
    if of == FACTS:
        return getattr(ctx.facts, name) if name else ctx.facts
    at = getattr(ctx.design, of) if of else ctx.design
    return getattr(at, name) if name else at


def _same(old: Any, new: Any) -> bool:
    return old is new or (type(old) is type(new) and old == new)


def _holds(reads: Reads, ctx: Context) -> bool:
    """Whether a part would see today all that it saw."""
    for key, old in reads.items():
        if key[0] == "said":
            new = ctx.said[key[1]]
            if (old.value, old.origin, old.note) != (new.value, new.origin, new.note):
                return False
        elif not _same(old, _now(ctx, key)):
            return False
    return True


_PLAIN = (dict, float, int, str, tuple, Doc)


class KeptPart(NamedTuple):
    """A part's result, with what it was made from, and what it put into the book and among the assumptions."""

    given: tuple[Any, ...]
    reads: Reads
    result: Any
    puts: list[tuple[str, Figure]]
    assumed: list[Assumption]


class Parts:
    """The parts of a report by name; those of the last one are taken where nothing that they read has changed.

    What a part returns belongs to every report that takes it: nobody changes it afterwards.
    """

    def __init__(self, ctx: Context, before: Parts | None = None) -> None:
        self.ctx, self.kept = ctx, dict[str, KeptPart]()
        self.reused: list[str] = []
        self._before = before.kept if before is not None else {}
        self._within: dict[str, list[str]] = {}
        for inner in self._before:
            for end in range(1, inner.count("/") + 1):
                self._within.setdefault(inner.rsplit("/", end)[0], []).append(inner)

    def make(self, name: str, work: Callable[Concatenate[Context, P], T], *given: P.args, **none: P.kwargs) -> T:
        """A part: ``work(ctx, *given)``, or its last result. What is given counts as the same only as the very same object, as equal plain data, or as an equal
        piece of the design."""
        return self.made(name, work, *given, **none)[0]

    def made(self, name: str, work: Callable[Concatenate[Context, P], T], *given: P.args, **none: P.kwargs) -> tuple[T, Reads]:
        """A part and what it read."""
        ctx, old = self.ctx, self._before.get(name)
        if (
            old is not None
            and len(old.given) == len(given)
            and all(a is b or (isinstance(a, _PLAIN) and _same(a, b)) for a, b in zip(old.given, given, strict=True))
            and _holds(old.reads, ctx)
        ):
            self._again(name, old)
            return cast(T, old.result), old.reads
        assumptions, seen = len(ctx.assumptions), Seen(ctx, self)
        begun = ctx.book.put_so_far
        result = work(seen, *given, **none)
        puts = ctx.book.put_since(begun)
        if isinstance(result, Iterator):
            raise TypeError(f"part {name} gives an iterator, which could be taken only once")
        self.kept[name] = KeptPart(given, seen.reads, result, puts, ctx.assumptions[assumptions:])
        return result, seen.reads

    def before(self, name: str) -> KeptPart | None:
        """A part as the last report made it."""
        return self._before.get(name)

    def settle(self, name: str, old: KeptPart | None) -> Any:
        """What a part made; its result of the last report where the two are equal."""
        new = self.kept[name]
        if old is not None and old.result is not new.result and not new.puts and old.result == new.result:
            self.kept[name] = new = new._replace(result=old.result)
        return new.result

    def _again(self, name: str, old: KeptPart) -> None:
        self.kept[name] = old
        self.reused.append(name)
        self.ctx.book.put_again(old.puts)
        self.ctx.assumptions.extend(old.assumed)
        for inner in self._within.get(name, ()):  # they are kept too, for when this one must be made again
            self.kept[inner] = self._before[inner]

    def done(self) -> None:
        """Let go of the last report's parts."""
        self._before = {}
