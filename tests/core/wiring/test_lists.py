"""The lists for the bench: they follow from the circuits, miss none, and say what they leave out."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.report import report
from bothy.core.wiring.lists import BenchLists, bench_lists, terminal_of
from bothy.demo import curlew
from tests.core.test_rules import BETWEEN
from tests.core.wiring.test_distribution import with_sub
from tests.designs import AGM, KETTLE, circuit, made, wired


def lists(data: dict[str, Any]) -> BenchLists:
    design = made(data)
    wiring = report(design).wiring
    return bench_lists(design, wiring.circuits, wiring.raceways, wiring.others)


def test_labels_name_both_ends_and_the_board_shows_what_it_is() -> None:
    by_code = {x.code: x for x in lists(with_sub()).labels}
    assert by_code["A1"].board == "A1 · 5 A · c1 · 1.5 mm² · red/black"
    assert by_code["A1"].wires == ["A1+ 5A c1", "A1− c1"]
    assert by_code["B1"].wires[0] == "B1+ 10A fridge-feed"
    assert [x.wires[0] for x in by_code.values() if "→" in x.wires[0]] == ["M1 BANK+ → BUS 150A", "M2 BUS+ → A 40A", "M3 A+ → B 25A"]


def test_every_conductor_is_bought_and_gets_a_terminal_on_both_ends() -> None:
    out = lists(with_sub())
    wires = sum(1 + (c.return_path == "cable") for c in made(with_sub()).wiring.circuits)
    assert sum(t.count for t in out.terminals) == 2 * wires
    need = {(c.size, c.colour): c for c in out.cables}
    assert need["1.5 mm²", "red"].need_m == pytest.approx(4 * 1.1 + 0.3)
    assert need["1.5 mm²", "red"].need_m == need["1.5 mm²", "black"].need_m
    assert [c.size for c in out.cables] == sorted((c.size for c in out.cables), key=lambda s: float(s.split()[0]))


def test_a_chassis_return_has_no_negative_to_label_or_buy() -> None:
    out = lists(wired(circuit(return_path="chassis")))
    assert out.labels[0].wires == ["A1+ 5A c1"]
    assert {c.colour for c in out.cables} == {"red"}
    assert out.terminals[0].count == 2
    assert out.loops == []


def test_mains_is_one_sheathed_cable_without_terminals_or_loop_test() -> None:
    out = lists(wired(circuit(kind="ac", board=None, appliances=["kettle"], area_mm2=1.5, fuse_a=10.0, protection="breaker"), appliances=[KETTLE]))
    assert [(c.size, c.colour) for c in out.cables] == [("3 × 1.5 mm²", "brown/blue/green-yellow")]
    assert (out.terminals, out.loops, out.fuses) == ([], [], [])


def test_two_equal_cables_and_a_fuse_at_either_end_count_twice() -> None:
    out = lists(wired({**BETWEEN, "parallel_count": 2, "far_fuse_a": 80.0}, power={"bank": AGM, "driving": {"school": "relay", "rating_a": 50.0}}))
    assert out.terminals[0].count == 8
    assert [(f.rating_a, f.fitted, f.spare) for f in out.fuses] == [(80.0, 2, 1)]
    assert out.loops[0].expected_mohm == pytest.approx(0.554 * 2 * 3 / 2)


def test_what_is_not_sized_is_named_and_left_out() -> None:
    out = lists(wired(circuit(), circuit("later", area_mm2=None)))
    assert out.open == ["A2 later"]
    assert [x.code for x in out.labels] == ["A1"]
    assert lists(wired()) == BenchLists(labels=[], cables=[], terminals=[], fuses=[], relays=[], conduits=[], loops=[], open=[])


def test_a_run_longer_than_any_pack_says_so() -> None:
    out = lists(wired(circuit(length_m=95.0)))
    assert [(c.pack_m, c.pack_count) for c in out.cables] == [(None, None)] * 2


@pytest.mark.parametrize(("area", "kind"), [(1.0, "red"), (2.08, "blue"), (5.26, "yellow"), (8.37, "tube lug"), (107.2, "hydraulic")])
def test_the_terminal_suits_the_conductor(area: float, kind: str) -> None:
    assert kind in terminal_of(area).kind


def test_curlew_has_a_label_for_every_circuit_and_a_spare_for_every_fuse() -> None:
    design = curlew.design()
    out = lists(design.model_dump(mode="json"))
    assert len(out.labels) == len(design.wiring.circuits) + len(design.wiring.others)
    assert out.open == []
    assert all(f.spare >= 1 for f in out.fuses)
    assert sum(f.fitted for f in out.fuses) == sum(1 for c in design.wiring.circuits if c.protection == "fuse" and c.fuse_a)
