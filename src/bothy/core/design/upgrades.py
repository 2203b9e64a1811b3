"""How documents of older versions become those of the next."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

FACT_PLACES = {
    "readings": ("prove", "readings"),
    "water_tests": ("water", "tests"),
    "gas_tests": ("gas", "tests"),
    "gas_checks": ("gas", "checks"),
    "pre_trip": ("gas", "pre_trip"),
}
"""List of the facts -> part and field of a document of version 1."""


def without_facts(document: dict[str, Any]) -> dict[str, Any]:
    """A document of version 1 as one of version 2: the same plan, its facts left out."""
    out = {**document, "schema_version": 2}
    for part, field in FACT_PLACES.values():
        if isinstance(out.get(part), dict) and field in out[part]:
            out[part] = {k: v for k, v in out[part].items() if k != field}
    return out


def prices_without_a_currency(document: dict[str, Any]) -> dict[str, Any]:
    """A document of version 2 as one of version 3: its prices are in the currency of its region, and their keys name none."""
    out = {**document, "schema_version": 3}
    if isinstance(sizing := out.get("sizing"), dict):
        new = {"budget" if k == "budget_eur" else k: v for k, v in sizing.items()}
        if isinstance(own := new.get("own"), list):
            new["own"] = [{"price" if k == "price_eur" else k: v for k, v in x.items()} if isinstance(x, dict) else x for x in own]
        out["sizing"] = new
    return out


UPGRADES: dict[int, Callable[[dict[str, Any]], dict[str, Any]]] = {1: without_facts, 2: prices_without_a_currency}
"""version -> function that makes the document of the next version."""
