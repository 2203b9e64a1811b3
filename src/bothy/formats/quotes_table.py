"""A table of quotes that somebody brings: the shopping list as a supplier filled it in, or a table of one's own. Nothing is changed by reading it."""

from __future__ import annotations

import datetime as dt
from typing import Literal

from pydantic import BaseModel

from bothy.core.build.part import BuyPart
from bothy.core.contract import BadInput
from bothy.core.facts.kinds import Quote
from bothy.core.units import NotUnderstood, parse
from bothy.core.words.says import formats_says as says
from bothy.formats.appliances_csv import match_columns
from bothy.formats.tables import rows_of, unplain

WORDS: dict[str, tuple[str, ...]] = {
    "key": ("key", "id"),
    "name": ("what", "name", "item", "description"),
    "price": ("quoted price", "your price", "quote", "offer", "total"),
    "days": ("days to deliver", "lead time", "lead days", "days"),
    "supplier": ("supplier", "shop", "from"),
    "until": ("valid until", "holds until", "until"),
}
ANY_PRICE = {**WORDS, "price": (*WORDS["price"], "price", "cost")}


class QuoteLine(BaseModel):
    """What was understood of one line; ``quote`` is what would be kept."""

    number: int
    status: Literal["taken", "wrong", "empty"]
    text: str
    understood: str
    problem: str | None
    key: str
    name: str
    guide: float | None
    quote: Quote | None


class QuotesPart(BaseModel):
    """Quotes line by line, from a supplier's service or a table; ``left``: lines still to buy that nobody quoted."""

    source: str
    separator: str
    columns: dict[str, str]
    ignored_columns: list[str]
    lines: list[QuoteLine]
    left: list[str]
    taken: int
    wrong: int


def quotes_part(source: str, lines: list[QuoteLine], shopping: list[BuyPart]) -> QuotesPart:
    """Lines with what they leave out."""
    got = {x.key for x in lines if x.status == "taken"}
    left = [x.name for x in shopping if x.status == "planned" and x.key not in got]
    return QuotesPart(
        source=source,
        separator="",
        columns={},
        ignored_columns=[],
        lines=lines,
        left=left,
        taken=sum(x.status == "taken" for x in lines),
        wrong=sum(x.status == "wrong" for x in lines),
    )


def _line(n: int, status: Literal["wrong", "empty"], text: str, problem: str | None = None, at: BuyPart | None = None) -> QuoteLine:
    key, name = (at.key, at.name) if at is not None else ("", "")
    return QuoteLine(number=n, status=status, text=text, understood="", problem=problem, key=key, name=name, guide=None, quote=None)


def offered_line(n: int, at: BuyPart, quote: Quote, text: str = "", understood: str = "") -> QuoteLine:
    """A line with a quote that would be kept."""
    return QuoteLine(number=n, status="taken", text=text, understood=understood, problem=None, key=at.key, name=at.name, guide=at.guide, quote=quote)


def _quote(cells: dict[str, str], at: BuyPart, supplier: str, today: dt.date) -> Quote:
    """Raises :class:`NotUnderstood` where a cell says nothing."""
    price = parse(cells["price"].strip("€£$ ").removeprefix("A$"), "count", None).value
    if not 0 <= price <= 1e6:
        raise NotUnderstood(says("price-cant-be-price", price=price))
    days = None
    if cells.get("days"):
        n = parse(cells["days"].lower().removesuffix("days").removesuffix("day"), "count", None).value
        if not 0 <= n <= 365 or n != int(n):
            raise NotUnderstood(says("no-number-from-to", cells=cells["days"][:20]))
        days = int(n)
    until = cells.get("until", "")
    if until:
        try:
            dt.date.fromisoformat(until)
        except ValueError:
            raise NotUnderstood(says("not-write-like", until=until[:20])) from None
    who = unplain(cells.get("supplier", ""))[:120].strip() or supplier
    return Quote(id=at.key, supplier=who, price=round(price, 2), lead_days=days, pack=at.packs[:80], on=today.isoformat(), until=until)


def preview(text: str, shopping: list[BuyPart], today: dt.date, supplier: str = "Table of quotes") -> QuotesPart:
    """Read a table of quotes against the shopping list. A line that the list doesn't have, or a price that is none, is said on its line.

    Raises :class:`bothy.core.contract.BadInput` when no column says what a line is about, or what it costs.
    """
    rows, separator = rows_of(text, "quote")
    columns, _, ignored = match_columns(rows[0], WORDS)
    if "price" not in columns:
        columns, _, ignored = match_columns(rows[0], ANY_PRICE)
    if "key" not in columns and "name" not in columns:
        raise BadInput("columns", says("no-column-names-line"))
    if "price" not in columns:
        raise BadInput("columns", says("no-column-holds-prices"))
    by_key = {x.key: x for x in shopping}
    by_name = {x.name.lower(): x for x in shopping}
    lines, seen = list[QuoteLine](), set[str]()
    for n, row in enumerate(rows[1:], 2):
        cells = {k: (row[i].strip() if i < len(row) else "") for k, i in columns.items()}
        shown = "; ".join(c for c in row if c)[:200]
        if not cells["price"]:
            lines.append(_line(n, "empty", shown))
            continue
        named = unplain(cells.get("key", "") or cells.get("name", ""))
        at = by_key.get(named) or by_name.get(unplain(cells.get("name", "")).lower())
        problem = None if at is not None else says("shopping-list-has-no", named=named[:60])
        if at is not None and at.key in seen:
            problem = says("has-price-on-earlier", at_name=at.name)
        if at is None or problem:
            lines.append(_line(n, "wrong", shown, problem))
            continue
        try:
            quote = _quote(cells, at, supplier, today)
        except NotUnderstood as exc:
            lines.append(_line(n, "wrong", shown, str(exc), at))
            continue
        seen.add(at.key)
        days = "" if quote.lead_days is None else says("here-in", lead_days=quote.lead_days)
        words = says("from-2", at_name=at.name, price=quote.price, supplier=quote.supplier, days=days)
        lines.append(offered_line(n, at, quote, shown, words))
    heads = {k: rows[0][i] for k, i in columns.items()}
    return quotes_part(supplier, lines, shopping).model_copy(update={"separator": separator, "columns": heads, "ignored_columns": ignored})
