"""What a proposal is."""

from __future__ import annotations

import re
from typing import Any, Literal

from pydantic import BaseModel

Group = Literal[
    "inverter", "solar", "bank", "driving", "shore", "circuits", "panel", "lighting", "insulation", "vents", "heater", "ducts", "cooler", "water", "gas"
]
GROUPS: tuple[Group, ...] = (
    "inverter",
    "solar",
    "bank",
    "driving",
    "shore",
    "circuits",
    "panel",
    "lighting",
    "insulation",
    "vents",
    "heater",
    "ducts",
    "cooler",
    "water",
    "gas",
)


class Proposal(BaseModel):
    """Something Bothy would fit. ``patch`` is empty when there is nothing to take (``status`` kept or fitted).

    kept: the person typed their own, it is left alone. fitted: already as proposed. new / change: can be taken.
    offer: can be taken, but nothing asks for it; taking all leaves it out.
    """

    id: str
    group: Group
    status: Literal["new", "change", "offer", "fitted", "kept"]
    title: str
    what: str
    why: list[str]
    assumes: list[str]
    patch: list[dict[str, Any]]
    price_eur: float | None = None
    mass_kg: float | None = None


def part_proposal(group: Group, path: str, title: str, what: str, value: Any, current: Any, why: list[str], assumes: list[str], *,
                  price: float | None = None, mass: float | None = None) -> Proposal:  # fmt: skip
    """A proposal for one part of the supply, with its status against what the design holds."""
    by = current.get("by") if isinstance(current, dict) else None
    if by == "typed" or (isinstance(current, dict) and current.get("owned")):
        return Proposal(id=group, group=group, status="kept", title=title, what=what, why=why, assumes=assumes, patch=[])
    same = isinstance(current, dict) and all(current.get(k) == v for k, v in value.items())
    return Proposal(
        id=group, group=group, status="fitted" if same else "change" if current else "new", title=title, what=what, why=why, assumes=assumes,
        patch=[] if same else [{"op": "replace", "path": path, "value": value}], price_eur=price, mass_kg=mass,
    )  # fmt: skip


def slug(text: str, taken: set[str]) -> str:
    """A free id made from words."""
    stem = re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-")[:32] or "item"
    out, n = stem, 2
    while out in taken:
        out, n = f"{stem}-{n}", n + 1
    taken.add(out)
    return out
