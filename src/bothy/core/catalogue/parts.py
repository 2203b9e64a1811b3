"""Parts of invented makers: a typed reader over data/parts.csv.

Each part has a kind, mass in kg, a typical price in euro (for other regions see core/region.py), size in mm and its data sheet (see sheets.py) under
the same keys as the design document, so that choosing a part is copying its values.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable
from functools import cache
from typing import Any, Generic, Literal, cast, overload

from pydantic import BaseModel, ValidationError
from typing_extensions import TypeVar

from bothy.core.catalogue.sheets import (
    SHEETS,
    ApplianceSheet,
    BatterySheet,
    BoardSheet,
    ChargerSheet,
    ControllerSheet,
    CoolerSheet,
    DrivingSheet,
    HeaterSheet,
    InverterSheet,
    PanelSheet,
    PartKind,
    StationSheet,
)
from bothy.core.catalogue.table import Row, rows, shipped
from bothy.core.contract import BadInput
from bothy.core.region import REGIONS, RegionKey
from bothy.core.words.says import catalogue_says as says

D = TypeVar("D", default=Any)


class Part(BaseModel, Generic[D]):
    """One catalogue part; its data are those of its kind."""

    key: str
    kind: PartKind
    maker: str
    name: str
    mass_kg: float
    price: float
    length_mm: float
    width_mm: float
    height_mm: float
    data: D


def read_parts(lines: Iterable[str]) -> dict[str, Part]:
    """Parts by key from the lines of a table. Raises :class:`BadCatalogue` for a row that is none, or a key that is there twice."""
    out: dict[str, Part] = {}
    for row in rows("parts.csv", lines, "key"):
        data = {}
        for pair in filter(None, row.text("data").split(";")):
            key, equals, value = pair.partition("=")
            if not equals:
                raise row.wrong("data", f"“{pair}” is no key=value")
            data[key] = value
        part = _checked(row, "", Part.model_validate, {**row.cells, "data": {}})
        sheet = _checked(row, "data", SHEETS[part.kind].validate_python, data)
        out[part.key] = part.model_copy(update={"data": sheet})
    return out


def _checked(row: Row, column: str, make: Callable[[Any], Any], cells: dict[str, Any]) -> Any:
    try:
        return make(cells)
    except ValidationError as e:
        first = e.errors()[0]
        where = str(first["loc"][-1]) if first["loc"] else ""
        said = first["msg"][0].lower() + first["msg"][1:]
        raise row.wrong(column or where, f"“{where}”: {said}" if column else said) from e


def local_price(price: float, level: float) -> float:
    """A typical price in another region, as round as such a guess is: to 0.5 under 20, to 1 under 200, to 5 under 2000, else to 10."""
    step = 0.5 if price < 20 else 1.0 if price < 200 else 5.0 if price < 2000 else 10.0
    return price if level == 1.0 else round(price * level / step) * step


@cache
def parts(region: RegionKey = "eu") -> dict[str, Part]:
    """All parts by key, in catalogue order, at the typical prices of a region."""
    if region == "eu":
        return read_parts(shipped("parts.csv"))
    return {k: p.model_copy(update={"price": local_price(p.price, REGIONS[region].price_level)}) for k, p in parts().items()}


@overload
def of_kind(kind: Literal["appliance"], region: RegionKey = ...) -> list[Part[ApplianceSheet]]: ...
@overload
def of_kind(kind: Literal["battery"], region: RegionKey = ...) -> list[Part[BatterySheet]]: ...
@overload
def of_kind(kind: Literal["panel"], region: RegionKey = ...) -> list[Part[PanelSheet]]: ...
@overload
def of_kind(kind: Literal["controller"], region: RegionKey = ...) -> list[Part[ControllerSheet]]: ...
@overload
def of_kind(kind: Literal["dcdc"], region: RegionKey = ...) -> list[Part[DrivingSheet]]: ...
@overload
def of_kind(kind: Literal["inverter"], region: RegionKey = ...) -> list[Part[InverterSheet]]: ...
@overload
def of_kind(kind: Literal["charger"], region: RegionKey = ...) -> list[Part[ChargerSheet]]: ...
@overload
def of_kind(kind: Literal["board"], region: RegionKey = ...) -> list[Part[BoardSheet]]: ...
@overload
def of_kind(kind: Literal["station"], region: RegionKey = ...) -> list[Part[StationSheet]]: ...
@overload
def of_kind(kind: Literal["heater"], region: RegionKey = ...) -> list[Part[HeaterSheet]]: ...
@overload
def of_kind(kind: Literal["cooler"], region: RegionKey = ...) -> list[Part[CoolerSheet]]: ...
def of_kind(kind: PartKind, region: RegionKey = "eu") -> list[Any]:
    """The parts of one kind, at the typical prices of a region."""
    return [p for p in parts(region).values() if p.kind == kind]


def part(key: str) -> Part:
    """One part. Raises :class:`BadInput` when the catalogue has none of that key."""
    found = parts().get(key)
    if found is None:
        raise BadInput("part", says("catalogue-has-no-part", key=key))
    return found


def appliance_fields(p: Part[ApplianceSheet]) -> dict[str, Any]:
    """The fields of an appliance (see design.life.Appliance) that a catalogue part gives."""
    data = cast("dict[str, Any]", dict(p.data))
    seasons = {s: data.pop(s) for s in ("winter", "shoulder", "summer") if s in data}
    fields: dict[str, Any] = {"name": p.name, "kind": data.pop("appliance_kind"), **data}
    if seasons:
        fields["season_factors"] = seasons
    return fields | {"mass_kg": p.mass_kg, "part": p.key, "trust": "catalogue"}
