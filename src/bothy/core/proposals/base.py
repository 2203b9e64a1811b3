"""What a proposal is."""

from __future__ import annotations

import re
from collections.abc import Callable
from typing import Any, Literal

from pydantic import BaseModel, PrivateAttr

Group = Literal[
    "inverter", "solar", "bank", "driving", "shore", "circuits", "panel", "lighting", "insulation", "vents", "heater", "ducts", "cooler", "water", "gas"
]
GROUPS: tuple[Group, ...] = (
    "inverter",
    "solar",
    "bank",
    "driving",
    "shore",
    "water",  # before the circuits, which feed its heaters
    "circuits",
    "panel",
    "lighting",
    "insulation",
    "vents",
    "heater",
    "ducts",
    "cooler",
    "gas",
)


class Offered(BaseModel):
    """Something Bothy would fit, as it stands in the list. ``patch`` is empty when there is nothing to take (``status`` kept or fitted).

    kept: the person typed their own, it is left alone. fitted: already as proposed. new / change: can be taken.
    offer: can be taken, but nothing asks for it; taking all leaves it out.
    """

    id: str
    group: Group
    status: Literal["new", "change", "offer", "fitted", "kept"]
    title: str
    what: str
    patch: list[dict[str, Any]]
    price: float | None = None
    mass_kg: float | None = None


class Reasons(BaseModel):
    """Why something would be fitted, and what was assumed for it; told when it is opened."""

    why: list[str]
    assumes: list[str]


class Proposal(Offered, Reasons):
    """A proposal with its reasons. What is dear to say is worked out only when somebody asks (:meth:`later`)."""

    _later: Callable[[], list[str]] | None = PrivateAttr(None)

    def later(self, more: Callable[[], list[str]]) -> Proposal:
        """The same proposal, with reasons that are worked out when they are told."""
        self._later = more
        return self

    def told(self) -> Reasons:
        """All its reasons, those too that were left for now."""
        return Reasons(why=[*self.why, *(self._later() if self._later else [])], assumes=self.assumes)


def part_proposal(
    group: Group,
    path: str,
    title: str,
    what: str,
    value: Any,
    current: Any,
    why: list[str],
    assumes: list[str],
    *,
    price: float | None = None,
    mass: float | None = None,
) -> Proposal:
    """A proposal for one part of the supply, with its status against what the design holds."""
    by = current.get("by") if isinstance(current, dict) else None
    if by == "typed" or (isinstance(current, dict) and current.get("owned")):
        return Proposal(id=group, group=group, status="kept", title=title, what=what, why=why, assumes=assumes, patch=[])
    same = isinstance(current, dict) and all(current.get(k) == v for k, v in value.items())
    return Proposal(
        id=group,
        group=group,
        status="fitted" if same else "change" if current else "new",
        title=title,
        what=what,
        why=why,
        assumes=assumes,
        patch=[] if same else [{"op": "replace", "path": path, "value": value}],
        price=price,
        mass_kg=mass,
    )


def slug(text: str, taken: set[str]) -> str:
    """A free id made from words."""
    stem = re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-")[:32] or "item"
    out, n = stem, 2
    while out in taken:
        out, n = f"{stem}-{n}", n + 1
    taken.add(out)
    return out
