"""A process of its own that stands in for a parts supplier: made-up prices and days, the same for everybody who asks for the same.

``./bothy supplier`` starts it on loopback. A real service with the same one address may take its place.
"""

from __future__ import annotations

import datetime as dt
import hashlib
from typing import Annotated

from fastapi import FastAPI
from pydantic import BaseModel, Field

from bothy.core.words.says import supplier_says as says

PORT = 8092
MOST_LINES = 1000
HOLDS_DAYS = 14
NOT_CARRIED = 12
"""One line in so many isn't carried."""
BY_UNIT = {"m": 3.0, "m²": 12.0, "mL": 0.02}
BY_SERVICE = {"wiring": 2.5, "water": 90.0, "gas": 110.0, "power": 300.0, "warmth": 200.0}
"""What a piece or a unit costs where nothing is known of it (made up)."""
Words = Annotated[str, Field(max_length=200)]


class WantedLine(BaseModel):
    """A line that a price is asked for: its key, what it is, how much of it, and about what it costs (None: not known)."""

    key: Annotated[str, Field(min_length=1, max_length=60)]
    name: Words
    amount: float = Field(gt=0, le=1e6, allow_inf_nan=False)
    unit: Annotated[str, Field(max_length=10)] = ""
    packs: Words = ""
    service: Annotated[str, Field(max_length=40)] = ""
    guide: float | None = Field(None, ge=0, le=1e6, allow_inf_nan=False)


class Enquiry(BaseModel):
    """What is asked for, in which money, on which day."""

    currency: Annotated[str, Field(min_length=1, max_length=3)]
    on: dt.date
    lines: Annotated[list[WantedLine], Field(min_length=1, max_length=MOST_LINES)]


class OfferedLine(BaseModel):
    """What a supplier asks for all of a line, and in how many days it is here."""

    key: Annotated[str, Field(min_length=1, max_length=60)]
    price: float = Field(ge=0, le=1e6, allow_inf_nan=False)
    lead_days: int = Field(ge=0, le=365)
    in_stock: bool = True
    pack: Annotated[str, Field(max_length=80)] = ""


class Offer(BaseModel):
    """Quotes in the money that was asked for, who makes them, and until when they hold; what isn't carried is left out."""

    supplier: Annotated[str, Field(min_length=1, max_length=120)]
    currency: Annotated[str, Field(min_length=1, max_length=3)]
    until: dt.date
    lines: Annotated[list[OfferedLine], Field(max_length=MOST_LINES)]


def _drawn(key: str) -> list[float]:
    """Four numbers from 0 to 1 that belong to a key."""
    digest = hashlib.sha256(key.encode()).digest()
    return [int.from_bytes(digest[4 * i : 4 * i + 4], "big") / 2**32 for i in range(4)]


def offer_for(asked: Enquiry) -> Offer:
    """Made-up quotes: about the guide price where there is one, else by the piece, metre or square metre."""
    lines = []
    for x in asked.lines:
        carried, price, days, stock = _drawn(x.key)
        if carried < 1 / NOT_CARRIED:
            continue
        guide = x.guide or x.amount * BY_UNIT.get(x.unit, BY_SERVICE.get(x.service, 25.0))
        there = stock < 0.7
        lines.append(
            OfferedLine(
                key=x.key,
                price=round(guide * (0.85 + 0.4 * price), 2),
                lead_days=round(1 + 3 * days) if there else round(6 + 24 * days),
                in_stock=there,
                pack=x.packs[:80],
            )
        )
    return Offer(supplier=says("stand-in-made-up"), currency=asked.currency, until=asked.on + dt.timedelta(days=HOLDS_DAYS), lines=lines)


app = FastAPI(title="A stand-in for a parts supplier", docs_url=None, redoc_url=None)


@app.post("/quotes")
def quotes(body: Enquiry) -> Offer:
    """Quotes for the lines that are asked for."""
    return offer_for(body)
