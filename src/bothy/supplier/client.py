"""Asks a parts supplier's service on this machine for quotes, when one is there."""

from __future__ import annotations

import logging

from pydantic import ValidationError

from bothy.nearby import asked
from bothy.supplier.standin import Enquiry, Offer

MOST_BYTES = 500_000


def ask(url: str, enquiry: Enquiry) -> Offer | None:
    """The quotes; None when nobody answers, or the answer can't be one: other money, a key that wasn't asked for, a line twice."""
    body = asked(f"{url}/quotes", enquiry.model_dump_json().encode(), MOST_BYTES)
    if body is None:
        return None
    try:
        offer = Offer.model_validate_json(body)
        wanted, got = {x.key for x in enquiry.lines}, [x.key for x in offer.lines]
        if offer.currency != enquiry.currency or not set(got) <= wanted or len(set(got)) < len(got):
            raise ValueError("it quotes other money, or lines that were not asked for")
    except (ValidationError, ValueError) as exc:
        logging.getLogger("bothy").info("no quotes from %s: %s", url, exc)
        return None
    return offer
