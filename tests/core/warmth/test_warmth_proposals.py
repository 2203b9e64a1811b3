"""What Bothy would fit for warmth: the smallest that does, on any vehicle anywhere, with its alarms, and never over what was typed."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.catalogue.climates import climates
from bothy.core.catalogue.parts import of_kind
from bothy.core.context import Context
from bothy.core.proposals.base import GROUPS
from bothy.core.proposals.warmth import PROPOSERS, alarm_ops, heater_value, knee_mm
from bothy.core.proposing import accept, propose_group
from bothy.core.vehicles import PRESETS
from bothy.core.warmth.part import warmth_part
from bothy.core.warmth.presets import PRESETS as BUILDS
from bothy.core.warmth.surfaces import worked
from tests.core.warmth.test_warmth_rules import BANK, HEATER, RUN, VENTS, ducted, warm
from tests.designs import made, reported

FITTED = ["insulation", "vents", "heater"]
COLD_PLACES = ["inverness", "tromso", "denver"]


def one(data: dict[str, Any], group: Any) -> Any:
    found = propose_group(made(data), group)
    return found[0] if found else None


@pytest.mark.parametrize("preset", sorted(PRESETS))
@pytest.mark.parametrize("place", COLD_PLACES)
def test_a_fitted_vehicle_has_no_danger_and_no_fault_of_warmth(preset: str, place: str) -> None:
    data = warm({"place": place})
    data["vehicle"] = {"preset": preset}
    design, _ = accept(made(data), groups=[*FITTED, "ducts", "cooler"])  # type: ignore[list-item]
    r = reported(design.model_dump(mode="json"))
    bad = [(f.rule, f.message) for f in r.findings if f.stage == "warmth" and f.severity in ("danger", "fault")]
    assert not bad
    assert all(s.build_up for s in r.warmth.surfaces.values() if s.kind in ("floor", "roof", "wall") and not s.area_m2 < 0.1 and not s.name.startswith("cab"))


def test_the_heater_is_the_smallest_that_holds() -> None:
    for cab, margin, part in (("curtain", 0.0, "heat-diesel-2"), ("curtain", 1.0, "heat-diesel-4"), ("open", 1.5, "heat-diesel-5")):
        data = warm(cab=cab, margin_frac=margin)
        p = one(data, "heater")
        need = warmth_part(Context(made(data))).part.needed_w
        chosen = next(op["value"] for op in p.patch if op["path"] == "/warmth/heaters/-")
        assert chosen["part"] == part, need
        smaller = [
            x.data["max_w"] for x in of_kind("heater") if x.data["heater_kind"] == "air" and x.data["fuel"] == "diesel" and x.data["max_w"] < chosen["max_w"]
        ]
        assert all(w < need for w in smaller)
        assert chosen["max_w"] >= need


def test_no_heater_is_large_enough_for_a_sieve() -> None:
    p = one(warm(leak_per_h=19.0, margin_frac=2.0), "heater")
    assert (p.status, p.patch) == ("kept", [])
    assert any("Insulate first" in w for w in p.why)


def test_a_warm_place_needs_no_heater() -> None:
    assert one(warm({"place": "alice_springs"}, design_cold_c=15.5, night_temp_c=16.0, indoor_temp_c=16.0), "heater") is None


def test_the_heater_takes_over_its_line_in_life_and_brings_alarms() -> None:
    data = warm()
    data["life"]["appliances"] = [{"id": "warmer", "name": "Diesel air heater", "kind": "heating", "power_w": 15.0, "hours_per_day": 8.0}]
    p = one(data, "heater")
    assert p.patch[0]["value"]["appliance"] == "warmer"
    assert [op["value"]["kind"] for op in p.patch[1:]] == ["co", "smoke"]


def test_alarms_are_added_only_where_there_is_none() -> None:
    assert [o["value"]["kind"] for o in alarm_ops(Context(made(warm())), "co", "smoke")] == ["co", "smoke"]
    own = warm(alarms=[{"id": "a", "kind": "smoke", "name": "Mine"}])
    own["life"]["appliances"] = [{"id": "co", "name": "Carbon monoxide alarm", "kind": "safety", "power_w": 0.5, "hours_per_day": 24.0}]
    assert alarm_ops(Context(made(own)), "co", "smoke") == []


def test_high_up_it_comes_with_its_kit() -> None:
    for place, kit in (({"place": "denver"}, True), ({}, False)):
        heaters = [op["value"] for op in one(warm(place), "heater").patch if op["path"] == "/warmth/heaters/-"]
        assert [h["altitude_kit"] for h in heaters] == [kit]


def test_vents_give_the_air_that_is_asked_for_by_night() -> None:
    data = warm()
    design, _ = accept(made(data), groups=["insulation", "vents"])
    before, after = reported(data).warmth.air, reported(design.model_dump(mode="json")).warmth.air
    assert before.co2_at_end_ppm > 1500 > after.co2_at_end_ppm
    assert after.night_rh_frac <= 0.62
    more = accept(made(warm({"people": 4})), groups=["vents"])[0]
    assert more.warmth.vents[0].free_area_mm2 > design.warmth.vents[0].free_area_mm2


@pytest.mark.parametrize("place", ["perth", "agadir", "faro", "cairns", "hobart", "edinburgh", "whitehorse"])
def test_what_stays_open_for_good_is_never_a_window(place: str) -> None:
    """Where the air outside is mild and damp no vent dries the room: breathing counts, and the rest is said."""
    p = one(warm({"place": place}), "vents")
    low, high = (op["value"]["free_area_mm2"] for op in p.patch if op["value"]["id"] in ("vent-low", "vent-high"))
    assert 2000 <= low == high <= 20000
    assert any("window ajar" in x for x in p.why) is (place in ("perth", "agadir", "faro", "hobart", "cairns"))
    design, _ = accept(made(warm({"place": place})), groups=["insulation", "vents"])
    assert reported(design.model_dump(mode="json")).warmth.air.co2_at_end_ppm < 1500


def test_gas_makes_the_vents_as_large_as_it_asks() -> None:
    design, _ = accept(made(warm({"people": 1}, damp={"hob_kw": 3.0, "hob_h_per_day": 0.5})), groups=["vents"])
    assert reported(design.model_dump(mode="json")).warmth.air.gas_ok


@pytest.mark.parametrize(
    ("preset", "most"), [("small_van", 30.0), ("panel_van", 50.0), ("minibus", 50.0), ("bus", 50.0), ("truck_body", 60.0), ("trailer", 50.0), ("boat", 30.0)]
)
def test_insulation_leaves_the_room_and_raises_none_of_its_own_findings(preset: str, most: float) -> None:
    design, _ = accept(made({**warm(), "vehicle": {"preset": preset}}), groups=["insulation"])
    assert {max(x.thickness_mm for x in b.layers) for b in design.warmth.build_ups} == {most}
    r = reported(design.model_dump(mode="json"))
    assert {"warm-shell-u-high", "warm-rib-share"}.isdisjoint(f.rule for f in r.findings)


@pytest.mark.parametrize(
    ("preset", "school", "foiled"),
    [
        ("trailer", "closed_cell", {"floor", "roof", "walls"}),
        ("panel_van", "closed_cell", {"floor"}),
        ("panel_van", "open", set()),
        ("truck_body", "barrier", {"floor"}),
    ],
)
def test_a_vapour_foil_lies_where_water_would_gather_and_nowhere_else(preset: str, school: str, foiled: set[str]) -> None:
    data = {**warm({"place": "denver"}, school=school), "vehicle": {"preset": preset}}
    p = one(data, "insulation")
    design, _ = accept(made(data), groups=["insulation"])
    assert {b.id for b in design.warmth.build_ups if any(x.material == "vapour_foil" for x in b.layers)} == foiled
    assert any("vapour foil" in x for x in p.assumes) is bool(foiled)
    if school == "closed_cell":
        told = {f.rule for f in reported(design.model_dump(mode="json")).findings}
        assert {"warm-interstitial", "warm-interstitial-small", "warm-barrier-cold-side", "warm-trapped-moisture"}.isdisjoint(told)


@pytest.mark.parametrize(("tallest", "thinned"), [(None, False), (1.70, False), (1.80, True), (1.95, False)])
def test_floor_and_roof_give_way_where_that_lets_the_tallest_stand(tallest: float | None, thinned: bool) -> None:
    data = {**warm(tallest_m=tallest), "vehicle": {"preset": "minibus"}}
    p = one(data, "insulation")
    design, _ = accept(made(data), groups=["insulation"])
    thick = {b.id: max(x.thickness_mm for x in b.layers) for b in design.warmth.build_ups}
    assert thick["walls"] == 50 and (min(thick.values()) < 50) is thinned
    assert any("stands upright" in x for x in p.why) is thinned
    high = reported(design.model_dump(mode="json")).warmth.headroom_m
    assert (high >= (tallest or 0.0) + 0.02) is (tallest != 1.95)


@pytest.mark.parametrize("id", [b for b in BUILDS if b not in ("bare", "bubble-flat", "carpet", "thin-foam", "gap-board")])
def test_past_the_knee_ten_more_millimetres_take_off_less_than_a_twentieth(id: str) -> None:
    b = BUILDS[id]
    direction: Any = "down" if id.startswith("floor") else "horizontal"
    i = max(range(len(b.layers)), key=lambda n: b.layers[n].thickness_mm)

    def u(mm: float) -> float:
        layers = [x.model_copy(update={"thickness_mm": mm}) if n == i else x for n, x in enumerate(b.layers)]
        return worked(b.model_copy(update={"layers": layers}), direction).u_value_w_m2k

    knee = knee_mm(b, direction)
    if knee < 100:
        assert (u(knee) - u(knee + 10)) / u(knee) < 0.05
    if knee > 10:
        assert (u(knee - 10) - u(knee)) / u(knee - 10) >= 0.05


@pytest.mark.parametrize(
    ("data", "group", "status"),
    [
        (warm(heaters=[HEATER]), "heater", "kept"),
        (warm(vents=VENTS), "vents", "fitted"),
        (warm(vents=[{**VENTS[0], "id": "mine"}]), "vents", "kept"),
        (warm(cooler={"name": "Mine", "capacity_w": 900.0}), "cooler", "kept"),
        (ducted(RUN), "ducts", "fitted"),
    ],
)
def test_what_stands_there_is_left_alone_and_says_whose_it_is(data: dict[str, Any], group: str, status: str) -> None:
    vents = group == "vents" and status == "fitted"
    p = one({**data, "warmth": {**data["warmth"], "vents": [{**v, "id": f"vent-{v['id']}"} for v in VENTS]}} if vents else data, group)
    assert (p.status, p.patch) == (status, [])
    assert p.why


def test_no_ducts_no_dampers() -> None:
    assert one(warm(heaters=[HEATER]), "ducts") is None
    assert one(warm(), "cooler") is None, "it never gets hot there"


def test_a_cooler_on_the_mains_only_behind_an_inverter_that_starts_it() -> None:
    hot = warm({"place": "alice_springs"}, cab="curtain")
    hot["power"] = {"bank": BANK, "system_voltage_v": 48}
    assert one(hot, "cooler").patch == [], "nothing native at 48 V in the catalogue"
    hot["power"] = {"bank": BANK, "system_voltage_v": 48, "inverter": {"name": "I", "rating_w": 3000.0, "surge_power_w": 6000.0}}
    assert one(hot, "cooler").patch[-1]["value"]["supply"] == "inverter"


def test_every_heater_of_the_catalogue_is_one_of_the_document() -> None:
    for p in of_kind("heater"):
        value = heater_value(p, "h", None)
        r = reported(warm(heaters=[value]))
        assert r.warmth.heaters["h"].available_w == pytest.approx(p.data["max_w"], rel=0.01)
        assert len(value["outlet_biases"]) == p.data["outlet_count"]


def test_the_groups_are_taken_in_an_order_that_holds() -> None:
    mine = [g for g in GROUPS if g in PROPOSERS]
    assert mine == ["insulation", "vents", "heater", "ducts", "cooler"], "vents cost heat, so the heater comes after them"
    assert len(climates()) > 40
