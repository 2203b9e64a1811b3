"""The evidence of a vehicle: entries that are only ever added. An entry corrects the one before it of the same thing, or strikes it."""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from typing import Annotated, Any, Literal, NamedTuple

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from bothy.core.contract import explain
from bothy.core.facts.document import Facts

STRICT = ConfigDict(extra="forbid", strict=True, allow_inf_nan=False, frozen=True)
Kind = Literal[
    "reading",
    "water_test",
    "gas_test",
    "gas_check",
    "pre_trip",
    "weighing",
    "log",
    "seen",
    "closing",
    "purchase",
    "stock",
    "quote",
    "punch",
    "as_built",
    "paper",
    "service",
    "step",
    "repair",
    "photo",
]
LISTS: dict[Kind, tuple[str, str]] = {
    "reading": ("readings", "circuit"),
    "water_test": ("water_tests", "id"),
    "gas_test": ("gas_tests", "id"),
    "gas_check": ("gas_checks", "id"),
    "weighing": ("weighings", "id"),
    "log": ("log", "id"),
    "seen": ("seen", "id"),
    "closing": ("closings", "id"),
    "purchase": ("purchases", "id"),
    "stock": ("stock", "id"),
    "quote": ("quotes", "id"),
    "punch": ("punch", "id"),
    "as_built": ("as_built", "id"),
    "paper": ("papers", "id"),
    "service": ("services", "id"),
    "step": ("steps", "id"),
    "repair": ("repairs", "id"),
    "photo": ("photos", "id"),
}
"""Kind of an entry -> the list of :class:`Facts` that it stands in, and the field that names its subject. The look before a trip is one entry."""
PRE_TRIP_SUBJECT = "vehicle"


class Judged(BaseModel):
    """What an entry was judged against when it was made: a revision of a variant, and the figures that were expected then."""

    model_config = STRICT
    variant: Annotated[str, Field(max_length=120)]
    revision: Annotated[int, Field(ge=1)]
    expected: dict[str, float] = {}


class Entry(NamedTuple):
    """Something to add to the evidence; ``payload`` None strikes what was there."""

    kind: Kind
    subject: str
    payload: dict[str, Any] | None


class Evidence(BaseModel):
    """One entry. ``number`` counts within the project from 1; ``corrects`` is the entry that it replaces; ``payload`` None: struck."""

    model_config = STRICT
    number: Annotated[int, Field(ge=1)]
    kind: Kind
    subject: Annotated[str, Field(min_length=1, max_length=60)]
    payload: dict[str, Any] | None
    corrects: int | None = None
    judged: Judged | None = None
    author: Annotated[str, Field(min_length=1, max_length=80)] = "you"
    made_at: Annotated[str, Field(max_length=40)] = ""


def standing_of(evidence: Iterable[Evidence]) -> dict[tuple[str, str], Evidence]:
    """The newest entry of each thing, in the order in which they first came; struck ones are left out."""
    newest: dict[tuple[str, str], Evidence] = {}
    for e in sorted(evidence, key=lambda x: x.number):
        key = (e.kind, e.subject)
        if e.payload is None:
            newest.pop(key, None)
        else:
            newest[key] = e
    return newest


def facts_of(evidence: Iterable[Evidence]) -> Facts:
    """The facts as they stand. Raises :class:`bothy.core.contract.BadInput` where an entry can't be read."""
    lists: dict[str, list[Any]] = {}
    pre_trip: list[Any] = []
    for (kind, _), e in standing_of(evidence).items():
        payload = e.payload or {}
        if kind == "pre_trip":
            pre_trip = payload.get("seen", [])
        else:
            lists.setdefault(LISTS[e.kind][0], []).append(payload)
    try:
        return Facts.model_validate({**lists, "pre_trip": pre_trip})
    except ValidationError as exc:
        raise explain(exc) from None


def entries_between(old: Facts, new: Facts) -> list[Entry]:
    """What to add to the evidence so that ``old`` becomes ``new``: new items, corrected ones, struck ones."""
    out: list[Entry] = []
    for kind, (name, by) in LISTS.items():
        before = {getattr(x, by): x for x in getattr(old, name)}
        after = {getattr(x, by): x for x in getattr(new, name)}
        out += [Entry(kind, id, None) for id in before if id not in after]
        out += [Entry(kind, id, x.model_dump(mode="json")) for id, x in after.items() if before.get(id) != x]
    if old.pre_trip != new.pre_trip:
        out.append(Entry("pre_trip", PRE_TRIP_SUBJECT, {"seen": list(new.pre_trip)}))
    return out


def added(evidence: Sequence[Evidence], entries: Iterable[Entry], author: str = "you", made_at: str = "") -> tuple[Evidence, ...]:
    """The evidence with entries after it, numbered on, each saying which one it corrects."""
    out = list(evidence)
    standing = standing_of(out)
    for e in entries:
        before = standing.get((e.kind, e.subject))
        made = Evidence(
            number=len(out) + 1 if not out else out[-1].number + 1,
            kind=e.kind,
            subject=e.subject,
            payload=e.payload,
            corrects=before.number if before else None,
            author=author,
            made_at=made_at,
        )
        out.append(made)
        standing[e.kind, e.subject] = made
    return tuple(out)
