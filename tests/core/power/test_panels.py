"""Panels of a design: their days by the sun's own sums, controllers of their own through power, wiring and proposals; and the heat round the inverter."""

from __future__ import annotations

import copy
from collections import Counter
from typing import Any

import pytest

from bothy.core.calculators import calculate
from bothy.core.catalogue.parts import parts
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.design.edit import apply_patch
from bothy.core.power.around import inverter_air
from bothy.core.power.panels import all_controllers, curve_factor, label_yield, on_controllers, solar_of
from bothy.core.proposing import accept, propose
from bothy.core.report import report
from bothy.core.sizing.search import search
from bothy.core.sizing.space import panel_options, parts_allowed, roof_m2
from bothy.core.trips.of_design import run_trip
from tests.designs import BANK, INVERTER, KETTLE, LAMP, MPPT, PANELS, lived

OUT: dict[str, Any] = {
    **PANELS,
    "id": "out",
    "name": "Case",
    "panel_power_w": 120.0,
    "vmp_v": 18.5,
    "imp_a": 6.49,
    "voc_v": 22.4,
    "isc_a": 6.9,
    "deploy": "ground",
    "tilt_deg": 60.0,
    "azimuth_deg": 180.0,
    "mounting": "open_rack",
}
SMALL: dict[str, Any] = {"name": "Small", "max_voltage_v": 60.0, "max_charge_current_a": 15.0}


def sunny(*arrays: dict[str, Any], controller: dict[str, Any] | None = MPPT, place: str = "edinburgh", months: tuple[int, int] = (12, 12), **power: Any) -> Any:
    data = lived(
        [{**LAMP, "power_w": 20.0}, KETTLE],
        {"bank": BANK, "arrays": list(arrays), "controller": controller, **power},
        place=place,
        from_month=months[0],
        to_month=months[1],
    )
    return load_design(copy.deepcopy(data))


def day(**more: Any) -> float:
    """The same day by the calculator: the table's place, the panel of the tests."""
    return float(
        calculate("panel-day-yield", {"place": "edinburgh", "month": 12, "power_stc_w": 200, "controller_power_w": 30 * 12.8, **more}).dump()["energy_wh_day"]
    )


def test_a_season_of_sun_is_that_of_the_suns_own_sums() -> None:
    assert solar_of(Context(sunny(PANELS)), "winter").value == pytest.approx(day(), rel=1e-9)
    tilted = {**PANELS, "tilt_deg": 30.0, "deploy": "lift"}
    assert solar_of(Context(sunny(tilted)), "winter").value == pytest.approx(day(tilt_deg=30), rel=1e-9)
    ground = {**PANELS, "tilt_deg": 60.0, "azimuth_deg": 180.0, "deploy": "ground"}
    assert solar_of(Context(sunny(ground)), "winter").value == pytest.approx(day(tilt_deg=60, azimuth_deg=180), rel=1e-9)
    assert day(tilt_deg=60, azimuth_deg=180) > 2 * day(), "what a winter roof misses"
    dark = {**PANELS, "shade_frac": [1.0] * 24}
    assert solar_of(Context(sunny(dark)), "winter").value == pytest.approx(day(shade_frac=1.0), rel=1e-9)
    pwm = solar_of(Context(sunny(PANELS, controller={**MPPT, "controller_type": "pwm"})), "winter").value
    assert pwm == pytest.approx(day(controller_type="pwm", panel_vmp_v=33.0), rel=1e-9)


def test_panels_on_the_ground_face_the_noon_sun_until_somebody_says_otherwise() -> None:
    unsaid = {**PANELS, "tilt_deg": 60.0, "deploy": "ground"}
    winter = solar_of(Context(sunny(unsaid)), "winter").value
    assert winter == pytest.approx(day(tilt_deg=60, azimuth_deg=180), rel=1e-9)
    assert solar_of(Context(sunny({**unsaid, "azimuth_deg": 0.0})), "winter").value < winter / 3
    south = Context(sunny(unsaid, place="melbourne", months=(6, 6)))
    north = solar_of(south, "winter").value
    assert north == pytest.approx(solar_of(Context(sunny({**unsaid, "azimuth_deg": 0.0}, place="melbourne", months=(6, 6))), "winter").value)
    assert north > 2 * solar_of(Context(sunny({**unsaid, "azimuth_deg": 180.0}, place="melbourne", months=(6, 6))), "winter").value


def test_on_a_trip_they_face_the_noon_sun_of_where_it_goes() -> None:
    """Life in the north, a trip in the south."""

    def sun(**array: Any) -> float:
        d = sunny({**PANELS, "tilt_deg": 60.0, "deploy": "ground", **array}).model_dump(mode="json")
        d["trips"] = {"start_date": "2026-06-05", "draw_count": 4, "legs": [{"id": "a", "place": "melbourne", "days_count": 3}]}
        run = run_trip(Context(load_design(d)))
        return run.sun_wh_day + run.curtailed_wh_day

    assert sun() == pytest.approx(sun(azimuth_deg=0.0))
    assert sun() > 2 * sun(azimuth_deg=180.0)


def test_flat_panels_give_what_the_table_of_places_says() -> None:
    """Table 4.2, Wh a day of each W on the label."""
    for place, month, each in (("london", 1, 0.62), ("london", 6, 4.16), ("seville", 3, 3.88), ("inverness", 12, 0.22), ("phoenix", 9, 4.60)):
        ctx = Context(sunny(PANELS, place=place, months=(month, month)))
        assert label_yield(ctx, month) == pytest.approx(each, rel=0.01, abs=0.006)


def test_a_curved_roof_takes_its_part_off_the_day_too() -> None:
    one = {**PANELS, "roof_radius_m": 2.0, "across_m": 1.2}
    design = sunny(one)
    bent, flat = solar_of(Context(design), "summer").value, solar_of(Context(sunny(PANELS)), "summer").value
    assert bent == pytest.approx(curve_factor(design.power.arrays[0]) * flat, rel=0.01)


def test_a_trip_and_a_season_agree_on_a_pwm_controller() -> None:
    """The trip through usual weather against the mean of twenty days of that month: the panel is held at the bank's voltage in both."""
    for kind, vmp in (("mppt", 33.0), ("pwm", 33.0), ("pwm", 18.0)):
        d = sunny(
            {**PANELS, "vmp_v": vmp, "voc_v": 40.0}, controller={**MPPT, "controller_type": kind, "max_charge_current_a": 100.0}, months=(6, 6)
        ).model_dump(mode="json")
        d["trips"] = {"start_date": "2026-06-01", "draw_count": 60, "legs": [{"id": "a", "place": "edinburgh", "days_count": 30}]}
        design = load_design(d)
        run = run_trip(Context(design))
        assert run.sun_wh_day + run.curtailed_wh_day == pytest.approx(solar_of(Context(design), "summer").value, rel=0.04)


def test_panels_are_found_on_their_controllers() -> None:
    p = sunny(PANELS, {**OUT, "controller": SMALL}).power
    assert [(c.name, [a.id for a in arrays]) for c, arrays in on_controllers(p)] == [("Small", ["out"]), ("Controller", ["roof"])]
    alone = sunny({**OUT, "controller": SMALL}).power
    assert [(c.name, len(arrays)) for c, arrays in all_controllers(alone)] == [("Controller", 0), ("Small", 1)]
    assert on_controllers(sunny(PANELS, controller=None).power) == []


def test_each_controller_has_its_own_strings_headroom_and_findings() -> None:
    r = report(sunny(PANELS, {**OUT, "series_count": 3, "controller": SMALL}))
    keys = {h.key for h in r.power.headrooms}
    assert {"controller_voltage", "controller_voltage_out", "controller_current", "controller_current_out"} <= keys
    over = next(f for f in r.findings if f.rule == "power-solar-voc-over")
    assert over.subject == "array:out"
    assert over.subject_name == "Case"
    assert "60 V" in over.message
    assert over.figures[0] == "power/string_out/voc_cold_v"
    assert "power-solar-mismatch" not in {f.rule for f in r.findings}, "unlike panels, but apart"
    roof = next(h for h in r.power.headrooms if h.key == "roof")
    assert roof.need == pytest.approx(1.0), "what stands on the ground takes no roof"


def test_unlike_panels_on_one_controller_are_set_apart_in_one_press() -> None:
    d = sunny({**PANELS, "series_count": 2}, {**OUT, "deploy": "fixed"})
    found = next(f for f in report(d).findings if f.rule == "power-solar-mismatch")
    assert found.fix is not None
    assert "Give “Case” its own" in found.fix.label
    after = apply_patch(d, found.fix.patch)
    assert after.power.arrays[1].controller is not None
    rules = {f.rule for f in report(after).findings}
    assert "power-solar-mismatch" not in rules
    assert not {r for r in rules if r.startswith(("power-solar-voc", "power-solar-vmp"))}


def test_charge_profiles_of_own_controllers_are_judged() -> None:
    wrong = {**SMALL, "profile": {"absorption_v": 15.5, "equalise": False, "compensates": False}}
    d = sunny({**OUT, "controller": wrong})
    found = next(f for f in report(d).findings if f.rule == "power-charge-profile")
    assert found.subject == "array:out"
    assert found.fix is not None
    assert "power-charge-profile" not in {f.rule for f in report(apply_patch(d, found.fix.patch)).findings}


def test_own_controllers_get_a_cable_a_fuse_and_a_place_on_the_diagram() -> None:
    d = sunny(PANELS, {**OUT, "controller": SMALL})
    planned, _ = accept(d, groups=["circuits"])
    solar = {c.array: c for c in planned.wiring.circuits if c.kind == "solar"}
    assert set(solar) == {None, "out"}
    assert solar["out"].name == "Solar charge, Case"
    assert solar["out"].fuse_a is not None
    assert 15 <= solar["out"].fuse_a < (solar[None].fuse_a or 0)
    r = report(planned)
    assert r.wiring.circuits[solar["out"].id].current_a == 15
    sheet = r.diagram()
    assert {n.id for n in sheet.nodes} >= {"source-solar", "source-solar:out", "origin-solar:out"}
    drawn = {line.ref for line in sheet.lines}
    assert {f"circuit:{solar['out'].id}", f"circuit:{c.id}" if (c := solar[None]) else ""} <= drawn
    gone = planned.model_dump(mode="json")
    gone["power"]["arrays"][1]["controller"] = None
    assert report(load_design(gone)).wiring.circuits[solar["out"].id].current_a == 0, "nothing feeds it any more"
    gone["power"]["arrays"].pop()
    with pytest.raises(BadInput) as e:
        load_design(gone)
    assert e.value.key == "array"
    with pytest.raises(BadInput, match="solar controller only"):
        load_design({**gone, "wiring": {"circuits": [{"id": "x", "name": "x", "kind": "shore", "array": "roof"}]}})


def test_proposals_and_search_leave_panels_with_their_own_controller_alone() -> None:
    d = sunny({**OUT, "id": "roof", "controller": SMALL}, controller=None, months=(6, 8))
    offer = next(p for p in propose(d) if p.group == "solar")
    assert offer.status == "new"
    taken = apply_patch(d, offer.patch, by_proposal=True)
    assert [(a.id, a.controller is not None) for a in taken.power.arrays] == [("roof", True), ("roof-2", False)]
    ctx = Context(d)
    options = panel_options(ctx, parts_allowed(d), Counter())
    assert {a.id for o in options for a in o.value[0]} == {"roof-2"}
    assert all(a.deploy == "fixed" for o in options for a in o.value[0]), "not laid out like the case on the ground"
    on_roof = sunny({**PANELS, "parallel_count": 3, "controller": MPPT}, controller=None, months=(6, 8))
    assert roof_m2(ctx) - roof_m2(Context(on_roof)) == pytest.approx(600 / 200), "what lies there already takes its room"


def test_a_search_counts_what_it_may_change_and_keeps_the_rest_in_every_set() -> None:
    part = parts()["panel-100"]
    roof = {**part.data, "id": "roof", "name": "Roof", "part": "panel-100", "unit_mass_kg": part.mass_kg}
    control = {**parts()["mppt-75-10"].data, "name": "C", "part": "mppt-75-10", "mass_kg": 0.5}
    unit = parts()["lfp-100"]
    bank = {**unit.data, "name": "B", "part": "lfp-100", "unit_mass_kg": unit.mass_kg}
    power = {"bank": bank, "arrays": [roof, {**OUT, "controller": SMALL}], "controller": control}
    data = lived([{**LAMP, "power_w": 15.0, "hours_per_day": 10.0}], power, place="cardiff", from_month=6, to_month=6)
    data["trips"] = {"start_date": "2026-06-01", "draw_count": 4, "legs": [{"id": "a", "place": "cardiff", "days_count": 3}]}
    data["sizing"] = {"panels_most": 2, "chemistries": ["lifepo4"]}
    r = search(load_design(data))
    assert r.now is not None
    assert r.now.array_w == 100
    assert r.now.price == pytest.approx(sum(parts("uk")[k].price for k in ("panel-100", "mppt-75-10", "lfp-100")))
    assert r.now.words[0] == "1 panel on C"
    for s in r.front:
        arrays = next(op["value"] for op in s.patch if op["path"] == "/power/arrays")
        assert [a["id"] for a in arrays if a["controller"]] == ["out"]


def test_both_run_in_the_trip() -> None:
    d = sunny(PANELS, {**OUT, "controller": SMALL}).model_dump(mode="json")
    d["trips"] = {"start_date": "2026-03-01", "legs": [{"id": "a", "place": "london", "days_count": 4}], "draw_count": 4, "soc_start_frac": 0.3}
    both = run_trip(Context(load_design(d)))
    d["power"]["arrays"][1]["controller"] = None
    d["power"]["controller"] = None
    assert run_trip(Context(load_design(d))).sun_wh_day == 0 < both.sun_wh_day


CABINET = {"id": "box", "name": "Electrics", "heat_w": 0.0, "max_c": 60.0, "case_area_m2": 0.0}


def hot(cabinet: dict[str, Any] | None = None, **inverter: Any) -> Any:
    data = lived([LAMP, KETTLE], {"bank": BANK, "inverter": {**INVERTER, **({"cabinet": "box"} if cabinet else {}), **inverter}})
    data["warmth"] = {"design_hot_c": 30.0, "cabinets": [{**CABINET, **cabinet}] if cabinet else []}
    return load_design(copy.deepcopy(data))


def test_the_air_round_the_inverter_is_that_of_its_cabinet() -> None:
    free = inverter_air(Context(hot()))
    assert free is not None
    assert free.value == 30
    closed = inverter_air(Context(hot({"heat_w": 60.0})))
    assert closed is not None
    assert closed.value == pytest.approx(30 + 60 / (3 * 0.6)), "60 W through 0.6 m² of walls that pass 3 W/m²K"
    vented = Context(hot({"heat_w": 60.0, "case_area_m2": 0.5, "low_mm2": 20000.0, "high_mm2": 20000.0}))
    known = inverter_air(vented)
    assert known is not None
    same = calculate("cabinet-vent", {"heat_w": 60, "room_temp_c": 30, "case_area_m2": 0.5, "low_area_mm2": 20000, "high_area_mm2": 20000}).dump()[
        "cabinet_temp_c"
    ]
    assert known.value == pytest.approx(same)
    own = inverter_air(Context(hot({"case_area_m2": 1.0})))
    assert own is not None
    assert own.value == pytest.approx(30 + 1500 * (1 / 0.88 - 1) / 3), "its own loss where nothing is said of the heat"


def test_what_the_heat_leaves_is_said_and_counts_in_the_sizing() -> None:
    r = report(hot({"heat_w": 200.0}))
    told = next(f for f in r.findings if f.rule == "power-inverter-hot")
    assert told.severity == "advice"
    assert "141 °C (in “Electrics”); about 300 of its 1500 W" in told.message, "never less than a fifth"
    mild = report(hot({"heat_w": 60.0, "case_area_m2": 3.0}))
    assert "power-inverter-hot" not in {f.rule for f in mild.findings}
    room = next(h for h in mild.power.headrooms if h.key == "inverter")
    air = 30 + 60 / 9
    assert room.have == pytest.approx(1500 * (1 - 0.008 * (air - 25)))
    needs = {h.key: h for h in report(hot()).power.headrooms}["inverter"]
    assert needs.have == pytest.approx(1500 * (1 - 0.008 * 5))


def test_a_cabinet_that_is_not_there_is_refused() -> None:
    data = hot().model_dump(mode="json")
    data["power"]["inverter"]["cabinet"] = "nowhere"
    with pytest.raises(BadInput) as e:
        load_design(data)
    assert e.value.key == "cabinet"
