"""Shorthands for the demo designs."""

from __future__ import annotations

from typing import Any

from bothy.core.catalogue.parts import appliance_fields, part


def from_catalogue(key: str, id: str, **more: Any) -> dict[str, Any]:
    """An appliance of the catalogue as the design holds it, changed by what is given."""
    return {**appliance_fields(part(key)), "id": id, "by": "typed", **more}


def windows(*pairs: tuple[float, float]) -> list[dict[str, float]]:
    """Hours of the day, from and to."""
    return [{"from_h": a, "to_h": b} for a, b in pairs]
