"""The report: composed, reproducible, and every figure with its way back to what was said."""

from __future__ import annotations

import copy
import json
from typing import Any

import orjson
import pytest

from bothy.core.catalogue.climates import climates
from bothy.core.context import Context
from bothy.core.region import REGIONS
from bothy.core.report import report
from bothy.core.sent import change, sent
from bothy.core.sound import sound
from bothy.core.vehicles import PRESETS
from bothy.demo import curlew
from bothy.demo.load import demo_of
from tests.designs import BANK, FRIDGE, INVERTER, KETTLE, LAMP, MPPT, PANELS, blank, circuit, lived, made, reported, wired


@pytest.fixture(scope="module")
def demo() -> Any:
    return demo_of(curlew)[0].report


def test_the_same_design_gives_the_same_report_to_the_last_bit(curlew_data: dict[str, Any]) -> None:
    texts = {json.dumps(report(made(curlew_data)).plain(), sort_keys=True) for _ in range(3)}
    assert len(texts) == 1


def test_plain_is_the_model_as_json(demo: Any) -> None:
    assert demo.plain() == json.loads(demo.model_dump_json())


def test_curlew_has_its_honest_mistakes(demo: Any) -> None:
    serious = {(f.severity, f.rule, f.subject) for f in demo.findings if f.severity in ("danger", "fault")}
    assert serious == {
        ("danger", "power-charge-below-freezing", "bank"),
        ("danger", "gas-locker-vent-small", "locker"),
        ("fault", "power-inverter-breaker-small", "inverter"),
        ("fault", "wire-drop-over-limit", "front-fridge-90-l"),
        ("fault", "test-excess-joint", "water-pump-10-l-min"),
        ("fault", "warm-interstitial", "build:shelf-wall"),
        ("fault", "water-freeze-exposed", "tank:grey"),
        ("fault", "warm-frost-bay", "bay:grey-bay"),
        ("danger", "fit-water-above-mains", "water:carbon"),
    }
    assert len(curlew.design().life.appliances) >= 18


def test_every_figure_leads_back_to_something_said_or_known(demo: Any) -> None:
    workings = demo.whole()["figures"]
    assert workings.keys() > demo.figures.keys()
    for key, f in workings.items():
        assert f["label"], key
        if f["origin"] == "computed" and not f["inputs"]:
            assert f["expression"] or f["note"], key
        for part in f["inputs"]:
            if part["key"] is not None:
                assert part["key"] in workings, f"{key} points at {part['key']}"
                assert workings[part["key"]]["value"] == part["value"]


def test_no_figure_goes_round_in_a_circle(demo: Any) -> None:
    workings = demo.whole()["figures"]

    def walk(key: str, path: tuple[str, ...]) -> int:
        assert key not in path, path
        return 1 + max((walk(p["key"], (*path, key)) for p in workings[key]["inputs"] if p["key"]), default=0)

    assert max(walk(k, ()) for k in workings) >= 4, "the working goes deep"


def test_the_working_of_one_figure_holds_all_it_was_computed_from(demo: Any) -> None:
    workings = demo.whole()["figures"]
    for key in demo.figures:
        one = demo.working(key)
        assert one[key]["value"] == demo.figures[key]["value"] == workings[key]["value"]
        for step in one.values():
            assert {p["key"] for p in step["inputs"] if p["key"]} <= one.keys()


def test_figures_of_the_report_are_the_values_of_its_parts(demo: Any) -> None:
    for c_id, part in demo.wiring.circuits.items():
        for key in ("current_a", "ampacity_a", "drop_v", "window_low_a", "window_high_a"):
            value = getattr(part, key)
            if value is not None and f"circuits/{c_id}/{key}" in demo.figures:
                assert demo.figures[f"circuits/{c_id}/{key}"]["value"] == value
    for s in demo.power.seasons:
        assert demo.figures[f"power/{s.season}/balance_wh"]["value"] == s.balance_wh
        assert s.balance_wh == pytest.approx(s.supply_wh - s.demand_wh)
        assert s.supply_wh == pytest.approx(s.solar_wh + s.drive_wh)


def test_energy_by_kind_and_by_hour_is_the_energy_of_the_day(demo: Any) -> None:
    for s in demo.life.seasons:
        assert sum(s.by_kind_wh.values()) == pytest.approx(s.energy_wh)
        assert sum(s.hourly_wh) == pytest.approx(s.energy_wh)
    assert sum(a.bank_energy_wh for a in demo.life.appliances.values()) < demo.figures[f"life/{demo.life.worst}/energy_wh"]["value"]


def test_what_nobody_said_is_assumed_and_listed() -> None:
    r = reported(blank())
    paths = {a.path for a in r.assumptions}
    assert {"/vehicle/inside_length_m", "/vehicle/bank_place", "/life/people", "/life/place", "/power/system_voltage_v"} <= paths
    assert all(a.why for a in r.assumptions)
    said = reported(blank(vehicle={"inside_length_m": 3.0}, life={"people": 4}))
    assert {"/vehicle/inside_length_m", "/life/people"} & {a.path for a in said.assumptions} == set()


@pytest.mark.parametrize("preset", sorted(PRESETS))
@pytest.mark.parametrize("region", sorted(REGIONS))
def test_every_preset_in_every_region_reports(preset: str, region: str) -> None:
    r = report(made({"schema_version": 1, "region": region, "vehicle": {"preset": preset}, "life": {"appliances": [LAMP, FRIDGE, KETTLE]}}))
    assert r.vehicle.preset_name == PRESETS[preset].name
    assert r.wire_series == ("awg" if region == "us" else "metric")
    assert r.system_voltage_v == PRESETS[preset].vehicle_v
    assert r.licensed


@pytest.mark.parametrize("place", sorted(climates()))
def test_every_place_of_the_table_has_plausible_normals(place: str) -> None:
    c = climates()[place]
    assert all(lo < hi for lo, hi in zip(c.tmin_c, c.tmax_c, strict=True))
    assert all(0 <= g < 10 for g in c.ghi_kwh_m2_day)
    assert {c.season(m) for m in range(1, 13)} == {"winter", "shoulder", "summer"}


def test_winter_is_in_july_in_the_south() -> None:
    assert climates()["alice_springs"].season(7) == "winter"
    assert climates()["inverness"].season(7) == "summer"


def test_months_of_the_plan_go_over_the_new_year() -> None:
    assert Context(made(lived(None, None, from_month=11, to_month=2))).months == [11, 12, 1, 2]
    assert Context(made(lived(None, None, from_month=5, to_month=5))).months == [5]


def test_headroom_says_what_limits() -> None:
    data = lived([LAMP, KETTLE], {"bank": BANK, "inverter": {**INVERTER, "rating_w": 1100.0, "surge_power_w": 2200.0}, "arrays": [PANELS], "controller": MPPT})
    r = reported(data)
    rooms = {h.key: h for h in r.power.headrooms}
    assert {"bank_energy", "bank_current", "inverter", "controller_voltage", "roof"} <= set(rooms)
    worst = min(r.power.headrooms, key=lambda h: h.headroom_frac - h.margin_frac)
    assert r.power.limits == worst.key
    for h in r.power.headrooms:
        assert h.headroom_frac == pytest.approx(1 - h.need / h.have)
        assert all(k in r.figures for k in h.figures)


def test_cairns_grow_with_the_work() -> None:
    empty = reported(blank()).stages
    assert {s.stones for s in empty.values()} == {0}
    lit = reported(wired(circuit()))
    assert lit.stages["life"].stones >= 1
    assert lit.stages["wiring"].stones == 3
    bad = reported(wired(circuit(fuse_a=None, protection="none")))
    assert bad.stages["wiring"].stones < 3
    assert bad.stages["wiring"].dangers == 1


def test_the_difference_rebuilds_the_new_report(curlew_data: dict[str, Any]) -> None:
    old = sent(sound(made(curlew_data)))
    changed = copy.deepcopy(curlew_data)
    changed["wiring"]["circuits"][7]["length_m"] = 3.0
    del changed["wiring"]["circuits"][8]
    new = sent(sound(made(changed)))
    d = orjson.loads(orjson.dumps(change(old, new)))
    figures = {k: v for k, v in old.figures.items() if k not in d["gone"]} | d["figures"]
    before = {k: json.loads(v) for k, v in old.sections.items()}
    assert {**before, **d["sections"], "figures": figures} == new.one.report.plain()
    assert len(d["figures"]) < len(new.figures) / 4, "only what changed is sent"
    assert change(None, new)["figures"] == new.figures
    assert change(new, new) == {"sections": {}, "figures": {}, "gone": []}
    assert change(new, sent(sound(made(changed))))["sections"] == {}, "what was made anew and came out the same is not sent"


def test_the_design_is_stored_as_it_is_sent() -> None:
    design = made({**blank(), "vehicle": {"description": "Café “Möwe” \\ C:\\van 'n' \"bus\" 🚐"}})
    written = sent(sound(design))
    assert json.loads(written.text()) == design.model_dump(mode="json")
    assert list(json.loads(written.text())) == list(design.model_dump())


def test_a_circuit_without_a_cable_shows_what_bothy_would_fit() -> None:
    part = reported(wired(circuit(area_mm2=None, fuse_a=None))).wiring.circuits["c1"]
    assert part.best_area_mm2 is not None
    assert part.best_fuse_a is not None
    assert part.ampacity_a is None
    assert part.drop_v is None


def test_two_equal_cables_halve_the_drop_and_double_the_ampacity() -> None:
    one = reported(wired(circuit(area_mm2=6.0))).wiring.circuits["c1"]
    two = reported(wired(circuit(area_mm2=6.0, parallel_count=2))).wiring.circuits["c1"]
    assert two.drop_v == pytest.approx(one.drop_v / 2)
    assert two.ampacity_a == pytest.approx(2 * one.ampacity_a)
    assert two.heat_w == pytest.approx(one.heat_w / 2)


def test_where_no_single_cable_carries_a_feed_two_are_proposed() -> None:
    data = wired({"id": "feed", "name": "Feed", "kind": "inverter", "length_m": 1.5})
    data["power"] = {"bank": BANK, "inverter": {**INVERTER, "rating_w": 3000.0, "surge_power_w": 6000.0}}
    part = reported(data).wiring.circuits["feed"]
    assert part.best_parallel == 2
    assert part.best_area_mm2 is not None


def test_a_chassis_return_counts_the_bodywork() -> None:
    cable = reported(wired(circuit(area_mm2=6.0))).wiring.circuits["c1"]
    chassis = reported(wired(circuit(area_mm2=6.0, return_path="chassis"))).wiring.circuits["c1"]
    assert chassis.resistance_mohm == pytest.approx(cable.resistance_mohm / 2 + 5)


def test_codes_follow_board_and_order() -> None:
    r = reported(wired(circuit("a1"), circuit("bus", board=None), circuit("a2")))
    assert [r.wiring.circuits[i].code for i in ("a1", "bus", "a2")] == ["A1", "M1", "A2"]


def test_an_unmeasured_length_is_assumed_and_said() -> None:
    part = reported(wired(circuit(length_m=None))).wiring.circuits["c1"]
    assert part.length_assumed
    assert part.length_m > 1
    assert not reported(wired(circuit())).wiring.circuits["c1"].length_assumed
