"""Terms by region: what a thing is called in the United Kingdom, the European Union, the United States and Australia, and what else people search it by."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import cache

from bothy.core.catalogue.table import rows, shipped
from bothy.core.region import REGIONS, RegionKey


@dataclass(frozen=True, slots=True)
class Term:
    """A thing as Bothy's sentences name it (``base``), its name in each region, and other words for it."""

    base: str
    by_region: dict[RegionKey, str]
    kin: tuple[str, ...]


@cache
def terms() -> tuple[Term, ...]:
    """All terms, the longest first, so that “hook-up lead” is found before “hook-up”."""
    found = (
        Term(r.text("base"), {key: r.text(key) or r.text("base") for key in REGIONS}, tuple(filter(None, r.text("kin").split(";"))))
        for r in rows("terms.csv", shipped("terms.csv"), "base")
    )
    return tuple(sorted(found, key=lambda t: -len(t.base)))


VOWEL = re.compile(r"[AEFHILMNORSX][A-Z]{1,}\b|[aeiou]|[AEIO][a-z]")
"""How a term begins that takes “an”: a vowel, or a letter that is spoken with one before it (“an RCD”)."""


@cache
def _finder(region: RegionKey) -> tuple[re.Pattern[str], dict[str, str]]:
    turned = [t.base.lower() for t in terms() if t.by_region[region] != t.base]
    # what stays is found too where it holds a word that turns: a galvanic isolator is no isolator
    swaps = {t.base.lower(): t.by_region[region] for t in terms() if any(base in t.base.lower() for base in turned)}
    each = "|".join(re.escape(base) for base in sorted(swaps, key=len, reverse=True))
    return re.compile(
        rf"(?<![\w-])(?P<article>an? )?(?<![\w-])(?P<base>{each})(?P<plural>(?:(?<=[sx])|(?<=[cs]h))es|s)?(?![\w-])" if swaps else r"(?!)", re.IGNORECASE
    ), swaps


def plural(term: str) -> str:
    """More than one of it: what stands before brackets at its end takes the ending, and sibilants an “e”."""
    head, bracket, rest = term.partition(" (") if term.endswith(")") else (term, "", "")
    return f"{head}{'es' if re.search(r'(?:ch|sh|s|x)$', head) else 's'}{bracket}{rest}"


def in_region(text: str, region: RegionKey) -> str:
    """A sentence with the region's terms. What stands in quotation marks is a name, and stays."""
    finder, swaps = _finder(region)

    def swap(m: re.Match[str]) -> str:
        new = swaps[m["base"].lower()]
        if m["plural"]:
            new = plural(new)
        new = new[0].upper() + new[1:] if m["base"][0].isupper() else new
        return new if not m["article"] else f"{m['article'][0]}{'n' if VOWEL.match(new) else ''} {new}"

    return "".join(piece if i % 2 else finder.sub(swap, piece) for i, piece in enumerate(re.split(r"(“[^”]*”)", text)))


def for_the_browser() -> dict[str, object]:
    """The same as plain data for the front end: terms with their names by region and kin, and each region's currency."""
    return {
        "terms": [{"base": t.base, **{k: t.by_region[k] for k in REGIONS}, "kin": list(t.kin)} for t in terms()],
        "currency": {k: r.currency for k, r in REGIONS.items()},
    }
