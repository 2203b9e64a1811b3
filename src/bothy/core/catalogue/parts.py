"""Parts of invented makers: a typed reader over data/parts.csv.

Each part has a kind, mass in kg, price in euro, size in mm and its data-sheet values under the same keys
as the design document, so that choosing a part is copying its values.
"""

from __future__ import annotations

import csv
from functools import cache
from importlib import resources
from typing import Any, Literal

from pydantic import BaseModel

from bothy.core.contract import BadInput

PartKind = Literal[
    "appliance", "battery", "panel", "controller", "dcdc", "inverter", "charger", "cable", "fuse", "board", "station", "generator", "heater", "cooler"
]
_FLAGS = {"ambient_dependent", "pure_sine", "cold_charge_cutoff"}


class Part(BaseModel):
    """One catalogue part."""

    key: str
    kind: PartKind
    maker: str
    name: str
    mass_kg: float
    price_eur: float
    length_mm: float
    width_mm: float
    height_mm: float
    data: dict[str, Any]


def _value(key: str, text: str) -> Any:
    if key in _FLAGS:
        return text == "1"
    try:
        return float(text)
    except ValueError:
        return text


@cache
def parts() -> dict[str, Part]:
    """All parts by key, in catalogue order."""
    out: dict[str, Part] = {}
    with (resources.files(__package__) / "data" / "parts.csv").open(encoding="utf-8") as file:
        for row in csv.DictReader(file):
            pairs = (pair.split("=", 1) for pair in row.pop("data").split(";") if pair)
            part = Part.model_validate({**row, "data": {k: _value(k, v) for k, v in pairs}})
            out[part.key] = part
    return out


def of_kind(kind: PartKind) -> list[Part]:
    """The parts of one kind."""
    return [p for p in parts().values() if p.kind == kind]


def part(key: str) -> Part:
    """One part. Raises :class:`BadInput` when the catalogue has none of that key."""
    found = parts().get(key)
    if found is None:
        raise BadInput("part", f"the catalogue has no part “{key}”")
    return found


def appliance_fields(p: Part) -> dict[str, Any]:
    """The fields of an appliance (see design.life.Appliance) that a catalogue part gives."""
    data = dict(p.data)
    seasons = {s: data.pop(s) for s in ("winter", "shoulder", "summer") if s in data}
    fields: dict[str, Any] = {"name": p.name, "kind": data.pop("appliance_kind"), **data}
    if seasons:
        fields["season_factors"] = seasons
    return fields | {"mass_kg": p.mass_kg, "part": p.key, "trust": "catalogue"}
