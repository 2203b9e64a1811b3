"""The catalogue: enough parts, of every kind, that fit the design document and agree with themselves."""

from __future__ import annotations

import csv
import io
from collections import Counter
from typing import Any, get_args

import pytest

from bothy.core.catalogue.climates import climate, climates, read_climates
from bothy.core.catalogue.materials import read_materials
from bothy.core.catalogue.openings import openings, read_openings
from bothy.core.catalogue.parts import PartKind, appliance_fields, local_price, of_kind, part, parts, read_parts
from bothy.core.catalogue.table import BadCatalogue, shipped
from bothy.core.contract import BadInput
from bothy.core.design.life import Appliance
from bothy.core.design.power import Bank, DrivingCharge, Inverter, Shore, SolarArray, SolarController
from bothy.core.region import REGIONS, RegionKey

MODELS: dict[str, tuple[Any, dict[str, Any]]] = {
    "battery": (Bank, {}),
    "inverter": (Inverter, {}),
    "panel": (SolarArray, {"id": "x"}),
    "controller": (SolarController, {}),
    "dcdc": (DrivingCharge, {}),
    "charger": (Shore, {}),
}


def test_there_are_enough_parts_of_every_kind() -> None:
    count = Counter(p.kind for p in parts().values())
    assert sum(count.values()) >= 80
    assert set(count) == set(get_args(PartKind))
    assert {p.data["chemistry"] for p in of_kind("battery")} == {"lifepo4", "agm", "gel", "flooded", "nmc"}


@pytest.mark.parametrize("key", sorted(parts()))
def test_a_part_has_mass_price_and_size(key: str) -> None:
    p = part(key)
    assert p.mass_kg > 0
    assert p.price > 0 or p.kind == "appliance", "what people bring along costs nothing more"
    assert min(p.length_mm, p.width_mm, p.height_mm) >= 0
    assert p.maker and p.name


@pytest.mark.parametrize("key", sorted(p.key for p in parts().values() if p.kind in MODELS))
def test_a_supply_part_fits_the_design_as_it_stands(key: str) -> None:
    p = part(key)
    model, more = MODELS[p.kind]
    assert model.model_validate({"name": p.name, **p.data, **more})


@pytest.mark.parametrize("p", of_kind("appliance"), ids=lambda p: p.key)
def test_an_appliance_part_becomes_an_appliance(p: Any) -> None:
    a = Appliance.model_validate({**appliance_fields(p), "id": "x"})
    assert a.trust == "catalogue"
    assert a.part == p.key
    assert a.running_w > 0
    assert a.mass_kg == p.mass_kg


@pytest.mark.parametrize("p", of_kind("panel"), ids=lambda p: p.key)
def test_a_panels_label_agrees_with_its_volts_and_amps(p: Any) -> None:
    assert p.data["vmp_v"] * p.data["imp_a"] == pytest.approx(p.data["panel_power_w"], rel=0.03)
    assert p.data["voc_v"] > p.data["vmp_v"]
    assert p.data["isc_a"] > p.data["imp_a"]


@pytest.mark.parametrize("p", of_kind("inverter"), ids=lambda p: p.key)
def test_an_inverter_starts_more_than_it_runs(p: Any) -> None:
    assert p.data["surge_power_w"] > p.data["rating_w"]
    assert 0 < p.data["idle_w"] < 0.03 * p.data["rating_w"]


def test_a_missing_part_or_place_is_named() -> None:
    with pytest.raises(BadInput, match="teapot"):
        part("teapot")
    with pytest.raises(BadInput, match="atlantis"):
        climate("atlantis")


def test_the_climate_table_is_whole() -> None:
    assert len(climates()) >= 40
    for c in climates().values():
        assert len(c.tmin_c) == len(c.tmax_c) == len(c.ghi_kwh_m2_day) == 12


HEAD = "key,kind,maker,name,mass_kg,price,length_mm,width_mm,height_mm,data\n"
GOOD = "p-1,panel,Ottermere,Panel,9,100,1000,500,35,panel_power_w=100;vmp_v=18;imp_a=5.6;voc_v=22;isc_a=6\n"


@pytest.mark.parametrize(
    ("row", "says"),
    [
        (GOOD.replace("9,100", "heavy,100"), "parts.csv, line 3, column “mass_kg”: input should be a valid number"),
        (GOOD.replace("vmp_v=18", "vmp_v=bright"), "parts.csv, line 3, column “data”: “vmp_v”: input should be a valid number"),
        (GOOD.replace("vmp_v=18;", ""), "parts.csv, line 3, column “data”: “vmp_v”: field required"),
        (GOOD.replace("vmp_v=18", "vmp_v=18;shine=3"), "parts.csv, line 3, column “data”: “shine”: extra inputs are not permitted"),
        (GOOD.replace("vmp_v=18", "vmp_v"), "parts.csv, line 3, column “data”: “vmp_v” is no key=value"),
        (GOOD.replace("panel,Ott", "sail,Ott"), "parts.csv, line 3, column “kind”: input should be 'appliance'"),
        (GOOD, "parts.csv, line 3, column “key”: “p-1” is there twice"),
        (GOOD.replace("p-1", ""), "parts.csv, line 3, column “key”: is empty"),
    ],
)
def test_a_row_that_is_no_part_is_refused_with_line_and_column(row: str, says: str) -> None:
    second = row if row == GOOD else row.replace("p-1", "p-2")
    with pytest.raises(BadCatalogue) as e:
        read_parts([HEAD, GOOD, second])
    assert str(e.value).startswith(says)


@pytest.mark.parametrize("read,name,column", [(read_materials, "materials.csv", "mu"), (read_climates, "climates.csv", "rh_frac_03")])
def test_so_is_a_material_and_a_climate(read: Any, name: str, column: str) -> None:
    table = list(csv.DictReader(shipped(name)))
    good = [dict(x) for x in table[:3]]
    assert len(read(_lines(good))) == 3
    for text in ("much", "nan"):
        with pytest.raises(BadCatalogue, match=f"{name}, line 3, column “{column}”: “{text}” is not a number"):
            read(_lines([good[0], {**good[1], column: text}]))
    with pytest.raises(BadCatalogue, match=f"{name}, line 2, column “{column}”: is missing"):
        read(_lines([{k: v for k, v in good[0].items() if k != column}]))


def _lines(table: list[dict[str, str]]) -> list[str]:
    out = io.StringIO()
    write = csv.DictWriter(out, list(table[0]))
    write.writeheader()
    write.writerows(table)
    return out.getvalue().splitlines(keepends=True)


@pytest.mark.parametrize("region", ["uk", "us", "au"])
def test_prices_of_a_region_are_typical_and_round(region: RegionKey) -> None:
    level = REGIONS[region].price_level
    for key, p in parts(region).items():
        base = parts()[key].price
        assert abs(p.price - base * level) <= 5 + 1e-9
        assert p.price == local_price(base, level)
        assert (p.data, p.mass_kg) == (parts()[key].data, parts()[key].mass_kg)
    assert of_kind("battery", region)[0].price != of_kind("battery")[0].price


def test_every_cut_is_covered_by_its_flange_and_a_row_that_is_not_is_refused() -> None:
    assert len(openings()) >= 25
    assert {p.kind for p in openings().values()} == {
        *("fan", "rooflight", "air_conditioner", "hatch", "vent", "gland", "aerial"),
        *("window", "side_vent", "inlet", "filler", "flue", "drop_vent", "drain"),
    }
    head, row = shipped("openings.csv")[:2]
    for column, value, word in (
        ("cut_length_mm", "900", "not covered"),
        ("radius_mm", "300", "two corners"),
        ("clamp_max_mm", "3", "less than the thinnest wall that it clamps"),
    ):
        cells = dict(zip(next(csv.reader([head])), next(csv.reader([row])), strict=True)) | {column: value}
        text = io.StringIO()
        csv.DictWriter(text, cells).writerow(cells)
        with pytest.raises(BadCatalogue, match=word):
            read_openings([head, text.getvalue()])
