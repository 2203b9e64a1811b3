"""The distribution of a design as one network: whole-path drop, sub-boards, faults, and what is refused or found."""

from __future__ import annotations

import copy
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.design.edit import apply_patch
from bothy.core.report import Report, report
from bothy.demo import curlew
from tests.core.test_rules import BETWEEN, FEEDER, MAIN, fed
from tests.designs import BANK, FRIDGE, INVERTER, LAMP, circuit, found, made, reported, wired

SUB = {"id": "b", "name": "Kitchen board", "letter": "B", "way_count": 6, "fed_from": "a"}
SUB_FEED = {"id": "sub-feed", "name": "Kitchen feed", "kind": "feeder", "board": "b", "length_m": 3.0, "area_mm2": 10.0, "fuse_a": 25.0}


def with_sub(**sub: Any) -> dict[str, Any]:
    """A lamp on board A and a fridge on a sub-board fed from it."""
    data = wired(
        MAIN,
        FEEDER,
        circuit(),
        SUB_FEED,
        circuit("fridge-feed", appliances=["fridge"], board="b", area_mm2=4.0, fuse_a=10.0),
        appliances=[LAMP, FRIDGE],
        power={"bank": BANK},
    )
    data["wiring"]["boards"].append({**SUB, **sub})
    return data


def part(r: Report, id: str) -> Any:
    return r.wiring.circuits[id]


def test_the_drop_is_that_of_the_whole_way_from_busbar_to_appliance() -> None:
    """By hand: each cable's resistance at 60 °C times the current through it, at the voltages solved."""
    r = reported(with_sub())
    fridge, lamp = part(r, "fridge-feed"), part(r, "c1")
    warm = 1 + 0.00393 * 40
    own = 2 * 4 * 4.95 * warm / 1000
    below = 2 * 3 * 1.91 * warm / 1000
    feeder = 2 * 1.5 * 1.21 * warm / 1000
    amps = fridge.current_a
    assert fridge.path_drop_v == pytest.approx(amps * (own + below) + (amps + lamp.current_a) * feeder, rel=0.08)
    steps = r.working("circuits/fridge-feed/path_drop_v")["circuits/fridge-feed/path_drop_v"]["inputs"]
    assert [i["name"] for i in steps] == ["Board feed", "Kitchen feed", "fridge-feed"]
    assert sum(i["value"] for i in steps) == pytest.approx(fridge.path_drop_v)
    assert fridge.worst_v < lamp.worst_v < r.wiring.network.nodes["board:a"].worst_v < r.wiring.network.nodes["busbar"].worst_v < 12.0
    assert fridge.typical_v > fridge.worst_v


def test_a_feeder_carries_its_board_and_what_hangs_below_it() -> None:
    r = reported(with_sub())
    assert part(r, "feeder").current_a == pytest.approx(part(r, "c1").current_a + part(r, "fridge-feed").current_a)
    assert part(r, "main").current_a == pytest.approx(part(r, "feeder").current_a)
    assert part(r, "sub-feed").current_a == pytest.approx(part(r, "fridge-feed").current_a)


def test_a_short_draws_less_the_farther_it_is_and_more_with_more_batteries() -> None:
    r = reported(with_sub())
    near = [part(r, i).fault_a for i in ("main", "feeder", "sub-feed", "fridge-feed")]
    assert near == sorted(near, reverse=True)
    assert part(r, "fridge-feed").far_fault_a < near[-1]
    data = with_sub()
    data["power"]["bank"] = {**BANK, "parallel_count": 2}
    assert part(reported(data), "main").fault_a == pytest.approx(2 * near[0])


def test_what_the_feeders_lose_is_not_left_to_the_circuit() -> None:
    """The same fridge cable: behind a thin long feeder Bothy fits a thicker one."""
    thick = reported(fed(circuit(appliances=["fridge"], area_mm2=None, fuse_a=None, length_m=5.0), feeder={"area_mm2": 35.0}) | _life())
    thin = reported(fed(circuit(appliances=["fridge"], area_mm2=None, fuse_a=None, length_m=5.0), feeder={"area_mm2": 6.0, "length_m": 4.0}) | _life())
    assert part(thin, "c1").before_v > part(thick, "c1").before_v
    assert part(thin, "c1").best_area_mm2 > part(thick, "c1").best_area_mm2


def _life() -> dict[str, Any]:
    return {"life": {**fed()["life"], "appliances": [LAMP, FRIDGE]}}


def test_the_branch_that_costs_most_is_named_and_its_remedy_is_for_it() -> None:
    data = with_sub()
    data["wiring"]["circuits"][3] |= {"area_mm2": 1.5, "length_m": 9.0, "fuse_a": 10.0}
    f = found(data)["wire-drop-over-limit"]
    assert f.subject in ("fridge-feed", "sub-feed")
    mine = next(x for x in reported(data).findings if x.id == "wire-drop-over-limit:fridge-feed")
    assert "Kitchen feed" in mine.message
    assert mine.fix is not None
    assert mine.fix.patch[0]["path"] == "/wiring/circuits/3/id"
    after = report(apply_patch(made(data), mine.fix.patch))
    assert "wire-drop-over-limit:fridge-feed" not in {x.id for x in after.findings}


def test_collapse_is_a_finding_and_the_rest_of_the_report_stands() -> None:
    data = wired(circuit(area_mm2=1.0, length_m=90.0, fuse_a=20.0), appliances=[{**LAMP, "power_w": 150.0}])
    r = reported(data)
    assert not r.wiring.network.converged
    assert r.wiring.network.loss_w is None
    assert part(r, "c1").path_drop_v is None
    assert part(r, "c1").resistance_mohm == pytest.approx(2 * 90 * 19.5 * (1 + 0.00393 * 40))
    assert "wire-voltage-collapse" in {f.rule for f in r.findings}


@pytest.mark.parametrize(
    ("sub", "words"),
    [({"fed_from": "nowhere"}, "does not exist"), ({"fed_from": "b"}, "circle"), ({"fed_from": "a", "side": "ac"}, "same side")],
)
def test_a_board_that_leads_nowhere_is_refused_by_name(sub: dict[str, Any], words: str) -> None:
    with pytest.raises(BadInput) as error:
        made(with_sub(**sub))
    assert error.value.key == "fed_from"
    assert words in error.value.message
    assert "Kitchen board" in error.value.message


def test_a_ring_of_boards_is_refused() -> None:
    data = with_sub()
    data["wiring"]["boards"][0]["fed_from"] = "b"
    with pytest.raises(BadInput, match="circle"):
        made(data)


def test_batteries_in_parallel_want_a_fuse_each() -> None:
    data = fed(circuit())
    data["power"]["bank"] = {**BANK, "parallel_count": 2}
    f = next(x for x in reported(data).findings if x.rule == "wire-no-fuse-at-source")
    assert f.severity == "danger"
    assert f.fix is not None
    assert "wire-no-fuse-at-source" not in {x.rule for x in report(apply_patch(made(data), f.fix.patch)).findings}


@pytest.mark.parametrize(("main", "severity"), [({"fuse_family": "class_t"}, "note"), ({"fuse_family": "bolt_sf51"}, "danger")])
def test_a_small_fuse_near_a_large_bank_is_backed_by_the_main_or_a_danger(main: dict[str, Any], severity: str) -> None:
    data = wired({**MAIN, **main}, FEEDER, circuit(), power={"bank": {**BANK, "unit_charge_ah": 300.0}})
    f = next(x for x in reported(data).findings if x.rule == "wire-interrupt-too-low" and "c1" in x.related)
    assert f.severity == severity
    assert "can safely break only 1 kA" in f.message


@pytest.mark.parametrize(("distance", "sheathed", "rules"), [(0.15, False, 0), (0.3, False, 1), (0.3, True, 0), (1.5, True, 1)])
def test_how_far_a_fuse_may_sit(distance: float, sheathed: bool, rules: int) -> None:
    assert sum(f.rule == "wire-fuse-too-far" for f in reported(wired(circuit(fuse_distance_m=distance, sheathed=sheathed))).findings) == rules


def test_a_polarised_breaker_will_do_where_current_never_turns() -> None:
    load = wired(circuit(protection="breaker", breaker_mark="dc_polarised"))
    assert "wire-dc-breaker-wrong" not in found(load)
    main = wired({**MAIN, "protection": "breaker", "breaker_mark": "dc_polarised"}, FEEDER, circuit(), power={"bank": {**BANK, "chemistry": "agm"}})
    assert "wire-dc-breaker-wrong" in found(main)


def test_a_charger_between_two_batteries_needs_one_fuse_only_at_its_source() -> None:
    assert "wire-both-ends-unfused" not in found(wired(BETWEEN, power={"bank": BANK, "driving": {"rating_a": 30.0}}))


@settings(max_examples=25, deadline=None)
@given(st.floats(1.0, 12.0), st.floats(1.0, 12.0), st.sampled_from([4.0, 6.0, 10.0, 16.0, 35.0]))
def test_more_length_never_loses_less_and_a_thicker_feeder_never_more(short: float, more: float, area: float) -> None:
    def lost(length: float, feeder: float) -> float:
        return float(part(reported(fed(circuit(length_m=length), feeder={"area_mm2": feeder, "fuse_a": 25.0})), "c1").path_drop_v)

    assert lost(min(30.0, short + more), area) >= lost(short, area) - 1e-9
    assert lost(short, 50.0) <= lost(short, area) + 1e-9


def test_everything_bothy_wired_on_curlew_is_within_its_limit_but_for_the_mistake() -> None:
    r = report(curlew.design())
    late = [k for k, c in r.wiring.circuits.items() if c.path_drop_v is not None and c.kind == "load" and c.path_drop_v > c.limit_v]
    assert late == ["front-fridge-90-l"]
    assert r.wiring.network.converged


def test_the_inverter_at_full_load_is_in_the_worst_moment() -> None:
    data = fed(circuit(), {"id": "feed", "name": "Feed", "kind": "inverter", "length_m": 1.0, "area_mm2": 70.0, "fuse_a": 200.0})
    without = part(reported(data), "c1").worst_v
    loaded = copy.deepcopy(data)
    loaded["power"]["inverter"] = INVERTER
    assert part(reported(loaded), "c1").worst_v < without


def test_the_way_of_a_circuit_is_every_cable_from_the_post_to_its_end() -> None:
    r = reported(with_sub())
    assert part(r, "fridge-feed").way == ["main", "feeder", "sub-feed", "fridge-feed"]
    assert part(r, "sub-feed").way == ["main", "feeder", "sub-feed"]
    assert part(r, "main").way == ["main"]
    assert part(reported(wired(circuit())), "c1").way == ["c1"]


def test_marine_practice_counts_conductors_and_has_no_chassis_return() -> None:
    """Three circuits together: 0.70 by circuits (IEC), 0.60 as six conductors."""
    data = wired(circuit(bundled_count=3, return_path="chassis"))
    vehicle = reported(data)
    data["wiring"]["school"] = "marine"
    marine = reported(data)
    assert part(marine, "c1").ampacity_a == pytest.approx(part(vehicle, "c1").ampacity_a * 0.6 / 0.7)
    told = [[f.rule for f in r.findings] for r in (vehicle, marine)]
    assert ("wire-chassis-return" in told[0], "wire-chassis-return" in told[1]) == (False, True)


@pytest.mark.parametrize(("unit_v", "series"), [(12.8, 1), (3.2, 4)])
def test_a_full_lithium_bank_by_hand(unit_v: float, series: int) -> None:
    """200 Ah: 200 mΩ·Ah/200 Ah = 1 mΩ for a 12 V block and 0.5 mΩ of posts, 13.6 V at rest, so 9.07 kA; four cells in series are the same block.

    The loads see 1.5 times that and 1 mΩ of cut-off: 3.25 mΩ, for a block as for four cells that share one.
    """
    data = fed(circuit())
    data["power"]["bank"] = {**BANK, "unit_voltage_v": unit_v, "series_count": series}
    out = reported(data)
    assert part(out, "main").fault_a == pytest.approx(13600 / 1.5)
    assert out.figures["network/bank_mohm"]["value"] == pytest.approx(1.5 * 1.5 + 1.0)


def test_the_resistance_of_a_data_sheet_wins() -> None:
    """3 mΩ each, two in parallel: 13.6 V / 1.5 mΩ at the posts, and the loads see the same 1.5 mΩ."""
    data = fed(circuit())
    data["power"]["bank"] = {**BANK, "parallel_count": 2, "unit_resistance_mohm": 3.0}
    out = reported(data)
    assert part(out, "main").fault_a == pytest.approx(13.6e3 / 1.5)
    assert out.figures["network/bank_mohm"]["value"] == pytest.approx(1.5)


@pytest.mark.parametrize(("strings", "wins"), [(1, False), (2, False), (3, False), (5, True)])
def test_a_fuse_on_one_of_several_batteries_meets_what_the_others_push(strings: int, wins: bool) -> None:
    """200 Ah each, 9.07 kA: with three the two others push 18.1 kA, within 20 kA; with five the four others push 36 kA."""
    data = fed(circuit())
    data["power"]["bank"] = {**BANK, "parallel_count": strings}
    data["wiring"]["battery_fuses"] = True
    told = [f for f in reported(data).findings if f.rule == "wire-interrupt-too-low" and f.subject == "wiring" and "high-interrupt" in f.message]
    assert bool(told) is wins
