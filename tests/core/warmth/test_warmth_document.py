"""Warmth in the document: what it is without a word, what it refuses by name, and that designs from before it still open."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.contract import BadInput
from bothy.core.design.document import SCHEMA_VERSION, Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.design.warmth import Cooler, Heater, Opening, Vent, WallLayer, WarmDuct, Warmth
from bothy.core.units import NotUnderstood, parse
from bothy.demo import curlew
from tests.core.warmth.test_warmth_rules import FOAM, HEATER, PLY, RUN, warm
from tests.designs import lived, made


def refused(**warmth: Any) -> BadInput:
    with pytest.raises(BadInput) as e:
        load_design(warm(**warmth))
    return e.value


def test_a_design_from_before_warmth_opens_and_has_none() -> None:
    old = curlew.design().model_dump(mode="json")
    del old["warmth"]
    old["schema_version"] = 1
    design = load_design(old)
    assert design.warmth == Warmth()
    assert design.schema_version == SCHEMA_VERSION


def test_nothing_said_is_nothing_assumed_in_the_document() -> None:
    w = Design().warmth
    assert (w.indoor_temp_c, w.design_cold_c, w.cab, w.leak_per_h) == (None, None, None, None)
    assert not (w.build_ups or w.heaters or w.ducts or w.vents or w.alarms)
    assert (w.colour, w.school, w.margin_frac) == ("white", "closed_cell", 0.2)


def test_it_comes_back_from_json_as_it_went() -> None:
    data = curlew.design().model_dump(mode="json")
    assert load_design(data).model_dump(mode="json") == data


LIMITS: list[tuple[dict[str, Any], str]] = [
    ({"indoor_temp_c": 45.0}, "indoor_temp_c"),
    ({"night_temp_c": -1.0}, "night_temp_c"),
    ({"leak_per_h": 0.0}, "leak_per_h"),
    ({"margin_frac": 3.0}, "margin_frac"),
    ({"colour": "plaid"}, "colour"),
    ({"school": "hope"}, "school"),
    ({"cab": "ajar"}, "cab"),
    ({"taper_frac": 0.3}, "taper_frac"),
    ({"heading_deg": 400.0}, "heading_deg"),
    ({"tallest_m": 3.0}, "tallest_m"),
    ({"tint": 1.0}, "tint"),
    ({"build_ups": [{"id": "b", "name": "B", "void_frac": 0.9}]}, "void_frac"),
    ({"build_ups": [{"id": "b", "name": "B", "skin": "gold"}]}, "skin"),
    ({"build_ups": [{"id": "b", "name": "", "layers": [PLY]}]}, "name"),
    ({"build_ups": [{"id": "b", "name": "B", "layers": [PLY, PLY]}]}, "id"),
    ({"build_ups": [{"id": "b", "name": "B", "layers": [{**FOAM, "thickness_mm": 301.0}]}]}, "thickness_mm"),
    ({"build_ups": [{"id": "b", "name": "B", "layers": [{**FOAM, "coverage_frac": 0.0}]}]}, "coverage_frac"),
    ({"build_ups": [{"id": "b", "name": "B", "layers": [{"id": "g", "material": "air_gap", "thickness_mm": 0.5}]}]}, "thickness_mm"),
    ({"build_ups": [{"id": "b", "name": "B", "layers": [{"id": "x", "thickness_mm": 5.0, "conductivity_w_mk": 0.04}]}]}, "mu"),
    ({"surfaces": [{"id": "left", "u_value_w_m2k": 11.0}]}, "u_value_w_m2k"),
    ({"surfaces": [{"id": "left", "cover": "hat"}]}, "cover"),
    ({"surfaces": [{"id": "left", "zone": "No Shouting!"}]}, "zone"),
    ({"surfaces": [{"id": "left"}, {"id": "left"}]}, "id"),
    ({"openings": [{"id": "o", "width_m": 0.0, "height_m": 1.0}]}, "width_m"),
    ({"openings": [{"id": "o", "width_m": 1.0, "height_m": 1.0, "on": "keel"}]}, "on"),
    ({"openings": [{"id": "o", "width_m": 1.0, "height_m": 1.0, "count": 0}]}, "count"),
    ({"slide_outs": [{"id": "s", "on": "left", "depth_m": 3.0, "width_m": 1.0, "height_m": 1.0}]}, "depth_m"),
    ({"pop_top": {"length_m": 1.0, "width_m": 1.0, "height_m": 0.0}}, "height_m"),
    ({"heaters": [{**HEATER, "outlet_biases": []}]}, "outlet_biases"),
    ({"heaters": [{**HEATER, "outlet_biases": [1.0] * 9}]}, "outlet_biases"),
    ({"heaters": [{**HEATER, "efficiency_frac": 1.4}]}, "efficiency_frac"),
    ({"heaters": [{**HEATER, "run_min_w": 99.0}]}, "run_min_w"),
    ({"heaters": [{**HEATER, "fuel": "wood", "tank_volume_l": 9.0}]}, "tank_volume_l"),
    ({"heaters": [{**HEATER, "routes": {"exhaust_end": "down"}}]}, "exhaust_end"),
    ({"heaters": [{**HEATER, "id": f"h{i}"} for i in range(5)]}, "heaters"),
    ({"ducts": [{**RUN, "outlet": 9}]}, "outlet"),
    ({"ducts": [{**RUN, "damper": "damper_10"}]}, "damper"),
    ({"loop": {"fluid": "tea"}}, "fluid"),
    ({"loop": {"zones": [{"id": "z", "name": "Z", "rated_w": 1.0, "pipe_length_m": 1.0}] * 2}}, "id"),
    ({"vents": [{"id": "v", "name": "V", "kind": "fixed_low", "free_area_mm2": 0.0}]}, "free_area_mm2"),
    ({"damp": {"dogs": 21}}, "dogs"),
    ({"cooler": {"name": "C", "capacity_w": 900.0, "to_h": 25.0}}, "to_h"),
    ({"cooler": {"name": "C", "capacity_w": 900.0, "appliance": "ghost"}}, "appliance"),
    ({"cabinets": [{"id": "c", "name": "C", "heat_w": -1.0}]}, "heat_w"),
    ({"bays": [{"id": "b", "name": "B", "ua_to_living_w_k": 1.0, "ua_to_outside_w_k": 0.0}]}, "ua_to_outside_w_k"),
    ({"alarms": [{"id": "a", "kind": "burglar"}]}, "kind"),
]


@pytest.mark.parametrize(("warmth", "key"), LIMITS, ids=[f"{i}-{k}" for i, (_, k) in enumerate(LIMITS)])
def test_a_value_beyond_its_limits_is_refused_by_its_key(warmth: dict[str, Any], key: str) -> None:
    e = refused(**warmth)
    assert e.key == key
    assert key in e.message or e.message.startswith("warmth")


def test_an_appliance_that_a_heater_stands_for_can_not_go_alone() -> None:
    design = made(warm(heaters=[{**HEATER, "appliance": "lamp"}]))
    with pytest.raises(BadInput) as e:
        apply_patch(design, [{"op": "remove", "path": "/life/appliances/0"}])
    assert e.value.key == "appliance"


def test_a_bad_patch_leaves_everything_as_it_was() -> None:
    design = made(warm(heaters=[HEATER]))
    before = design.model_dump_json()
    with pytest.raises(BadInput):
        apply_patch(
            design, [{"op": "replace", "path": "/warmth/heaters/0/name", "value": "Fine"}, {"op": "replace", "path": "/warmth/heaters/0/min_w", "value": 9e9}]
        )
    assert design.model_dump_json() == before


def test_a_cold_to_design_for_that_is_warmer_than_inside_is_refused() -> None:
    assert refused(design_cold_c=16.0, night_temp_c=15.0).key == "design_cold_c"
    assert refused(design_cold_c=18.0).key == "design_cold_c", "colder than a night of 16 °C"


@pytest.mark.parametrize(
    ("model", "keys"),
    [
        (WallLayer, {"material", "thickness_mm", "over_ribs"}),
        (Opening, {"on", "width_m", "cover"}),
        (Heater, {"max_w", "fuel", "routes", "appliance"}),
        (WarmDuct, {"parent", "zone", "damper"}),
        (Vent, {"free_area_mm2", "closable"}),
        (Cooler, {"capacity_w", "hookup_only"}),
    ],
)
def test_the_published_schema_has_the_fields_of_warmth(model: Any, keys: set[str]) -> None:
    schema = model.model_json_schema()
    assert keys <= set(schema["properties"])
    assert schema["additionalProperties"] is False
    assert schema["description"]


@pytest.mark.parametrize(
    ("text", "dimension", "value"),
    [
        ("90 m3/h", "airflow", 90),
        ("50 cfm", "airflow", 84.95),
        ("25 l/s", "airflow", 90),
        ("90", "airflow", 90),
        ("0.5 m²", "surface", 0.5),
        ("9000 mm2", "surface", 0.009),
        ("10 sq ft", "surface", 0.929),
        ("6 in2", "surface", 0.00387),
        ("40 Pa", "pressure", 40),
        ("0.1 kPa", "pressure", 100),
        ("2 bar", "pressure", 200_000),
        ("30 psi", "pressure", 206_843),
        ("7000 BTU/h", "power", 2051.5),
    ],
)
def test_air_areas_and_pressures_are_read_as_people_write_them(text: str, dimension: str, value: float) -> None:
    assert parse(text, dimension).value == pytest.approx(value, rel=1e-3)


@pytest.mark.parametrize(("text", "dimension"), [("90 W", "airflow"), ("some", "surface"), ("3 kg", "pressure")])
def test_what_is_none_of_it_is_refused_with_an_example(text: str, dimension: str) -> None:
    with pytest.raises(NotUnderstood, match="write for example"):
        parse(text, dimension)


def test_life_alone_does_not_begin_warmth() -> None:
    assert made(lived()).warmth == Warmth()
