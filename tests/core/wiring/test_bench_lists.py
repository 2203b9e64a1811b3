"""Short circuit, conduit, panel plate, mains leads, spares, cable to buy and loop test, beyond their worked examples."""

from __future__ import annotations

import itertools
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.contract import BadInput
from bothy.core.wiring.buying import packs_of
from bothy.core.wiring.leads import StockLead, cheapest_leads
from bothy.core.wiring.panel import grid_fit


def answer(name: str, **data: Any) -> dict[str, Any]:
    return calculate(name, data).dump()


def refused(name: str, key: str, words: str, **data: Any) -> None:
    with pytest.raises(BadInput) as error:
        calculate(name, data)
    assert error.value.key == key
    assert words in error.value.message


def test_a_longer_cable_softens_the_fault_and_more_batteries_sharpen_it() -> None:
    amps = [
        answer("short-circuit-current", voltage_v=13.4, chemistry="lifepo4", capacity_ah=100, area_mm2=16, length_m=x)["short_circuit_a"] for x in (0, 1, 5)
    ]
    assert amps[0] == pytest.approx(6700)
    assert amps == sorted(amps, reverse=True)
    two = answer("short-circuit-current", voltage_v=13.4, chemistry="lifepo4", capacity_ah=100, parallel_count=2)
    assert two["short_circuit_a"] == pytest.approx(2 * amps[0])
    assert "blade_standard" not in two["suitable_families"]
    assert two["withstand_time_s"] is None
    assert two["cable_survives"] is None


def test_a_cable_that_burns_before_its_fuse_blows() -> None:
    out = answer("short-circuit-current", voltage_v=13.4, internal_resistance_mohm=1, area_mm2=1.5, length_m=0.2, clearing_time_s=0.05)
    assert out["cable_survives"] is False
    assert (
        answer("short-circuit-current", voltage_v=13.4, internal_resistance_mohm=1, area_mm2=50, length_m=0.2, clearing_time_s=0.05)["cable_survives"] is True
    )


@pytest.mark.parametrize(
    ("name", "data", "key", "words"),
    [
        ("short-circuit-current", {"voltage_v": 12, "chemistry": "agm"}, "internal_resistance_mohm", "chemistry with the capacity"),
        ("short-circuit-current", {"voltage_v": 12, "internal_resistance_mohm": 2, "length_m": 2}, "area_mm2", "with a length"),
        (
            "short-circuit-current",
            {"voltage_v": 12, "internal_resistance_mohm": 2, "final_temp_c": 80},
            "final_temp_c",
            "more than the temperature class of the insulation",
        ),
        ("conduit-fill", {"inner_diameter_mm": 20, "width_mm": 10, "cables": [{"area_mm2": 4}]}, "inner_diameter_mm", "trunking"),
        ("conduit-fill", {"width_mm": 10, "cables": [{"area_mm2": 4}]}, "height_mm", "needs the width (width_mm) and the height"),
        ("conduit-fill", {"cables": [{"area_mm2": 4}]}, "inner_diameter_mm", "for a pipe"),
        ("conduit-fill", {"inner_diameter_mm": 20, "cables": []}, "cables", "at least 1"),
        ("switch-panel-layout", {"width_mm": 90, "height_mm": 60, "items": [{"id": "a", "shape": "circle", "x_mm": 9, "y_mm": 9}]}, "diameter_mm", "required"),
        (
            "switch-panel-layout",
            {
                "width_mm": 90,
                "height_mm": 60,
                "items": [{"id": "a", "shape": "rect", "x_mm": 9, "y_mm": 9, "width_mm": 9, "height_mm": 9, "bezel_width_mm": 5}],
            },
            "bezel_width_mm",
            "at least the cut-out",
        ),
        (
            "ac-lead-chain",
            {"region": "uk", "breaker_a": 10, "area_mm2": 10, "legs": [{"id": "a", "length_m": 1}], "stock": [{"length_m": 2}]},
            "area_mm2",
            "not a lead",
        ),
        (
            "ac-lead-chain",
            {
                "region": "uk",
                "breaker_a": 10,
                "area_mm2": 1.5,
                "legs": [{"id": "a", "from": "b", "length_m": 1}, {"id": "b", "from": "a", "length_m": 1}],
                "stock": [{"length_m": 2}],
            },
            "from",
            "circle",
        ),
        (
            "ac-lead-chain",
            {"region": "uk", "breaker_a": 10, "area_mm2": 1.5, "legs": [{"id": "a", "from": "attic", "length_m": 1}], "stock": [{"length_m": 2}]},
            "from",
            "attic",
        ),
        ("spare-fuse-kit", {"fuses": [{"family": "blade_mini", "rating_a": 40}]}, "rating_a", "11 mm blade"),
        ("spare-fuse-kit", {"fuses": [{"family": "blade_mini", "rating_a": 5}], "pack_size_count": {"blade_mini": 0}}, "pack_size_count", "at least 1"),
        ("cable-purchase", {"runs": [{"size": "2.5", "colour": "red", "length_m": 0}]}, "length_m", "more than 0"),
        ("loop-continuity", {"circuits": [{"id": "a", "length_m": 2}]}, "area_mm2", "required"),
    ],
)
def test_what_cannot_be_worked_with_is_refused_by_name(name: str, data: dict[str, Any], key: str, words: str) -> None:
    refused(name, key, words, **data)


@given(st.lists(st.sampled_from([0.5, 1, 2.5, 6, 16]), min_size=1, max_size=12))
def test_the_suggested_conduit_is_never_too_small(areas: list[float]) -> None:
    cables = [{"area_mm2": a} for a in areas]
    suggested = answer("conduit-fill", inner_diameter_mm=10, cables=cables)["suggested_inner_diameter_mm"]
    if suggested is not None:
        assert answer("conduit-fill", inner_diameter_mm=suggested, cables=cables)["ok"]


def test_a_cable_thicker_than_the_pipe_does_not_fit_whatever_the_fill() -> None:
    assert answer("conduit-fill", width_mm=5, height_mm=100, cables=[{"outer_diameter_mm": 8}])["ok"] is False


def test_the_gap_between_a_round_and_a_square_cut_out_is_measured_at_the_corner() -> None:
    items = [
        {"id": "a", "shape": "rect", "x_mm": 20, "y_mm": 20, "width_mm": 20, "height_mm": 20},
        {"id": "b", "shape": "circle", "x_mm": 40, "y_mm": 40, "diameter_mm": 10},
    ]
    out = answer("switch-panel-layout", width_mm=100, height_mm=100, items=items)
    assert out["smallest_gap_mm"] == pytest.approx(200**0.5 - 5)
    assert out["ok"]


@pytest.mark.parametrize(("span", "count"), [(10, 0), (45, 1), (75, 2), (74.9, 1), (105, 3)])
def test_how_many_fit_in_a_row(span: float, count: int) -> None:
    assert grid_fit(span, 25, 5, 10) == count


@settings(max_examples=80)
@given(st.lists(st.tuples(st.integers(1, 9), st.integers(0, 9)), min_size=1, max_size=5), st.floats(0.5, 30), st.integers(1, 3))
def test_the_cheapest_leads_are_those_of_trying_them_all(stock: list[tuple[int, int]], need: float, most: int) -> None:
    leads = [StockLead(length_m=float(m), cost=float(c)) for m, c in stock]
    tried = [
        (sum(x.cost for x in s), len(s), sum(x.length_m for x in s), tuple(sorted((x.length_m for x in s), reverse=True)))
        for n in range(1, most + 1)
        for s in itertools.combinations_with_replacement(leads, n)
        if sum(x.length_m for x in s) >= need
    ]
    best = cheapest_leads(leads, need, most)
    assert (tuple(best) if best else None) == min(tried, default=None)


def test_a_leg_out_of_reach_is_named_and_still_counts_its_drop() -> None:
    out = answer("ac-lead-chain", region="uk", breaker_a=10, area_mm2=1.5, legs=[{"id": "rear", "length_m": 9, "load_w": 500}], stock=[{"length_m": 3}])
    assert out["unreachable_legs"] == ["rear"]
    assert out["leg_leads_m"] == {"rear": []}
    assert out["leg_drop_frac"]["rear"] > 0
    assert not out["ok"]


@given(st.lists(st.floats(0.2, 4.9), min_size=1, max_size=25), st.sampled_from([5.0, 10.0, 25.0]))
def test_the_packs_hold_every_cut_and_no_more_than_twice_what_is_needed(cuts: list[float], pack: float) -> None:
    n = packs_of(cuts, pack)
    assert sum(cuts) <= n * pack + 1e-6
    assert n <= 2 * sum(cuts) / pack + 1


def test_metres_alone_may_be_cheaper_than_whole_cuts() -> None:
    runs = [{"size": "4", "colour": "red", "length_m": 2.5, "count": 3}]
    packs = [{"pack_m": 5}]
    cut = answer("cable-purchase", runs=runs, packs=packs, slack_frac=0, end_allowance_m=0.3)
    joined = answer("cable-purchase", runs=runs, packs=packs, slack_frac=0, end_allowance_m=0.3, method="sum")
    assert cut["pack_count"] == {"4/red": 3}
    assert joined["pack_count"] == {"4/red": 2}
    short = answer("cable-purchase", runs=[{"size": "4", "colour": "red", "length_m": 30}], packs=packs)
    assert short["unavailable"] == ["4/red"]
    assert short["total_cost"] == 0


@pytest.mark.parametrize(("measured", "word"), [(None, None), (100, "pass"), (176, "pass"), (177, "high"), (2e6, "open"), (1, "short")])
def test_the_loop_test_judges(measured: float | None, word: str | None) -> None:
    circuit = {"id": "a", "area_mm2": 1, "length_m": 3, "measured_mohm": measured}
    out = answer("loop-continuity", meter_resolution_mohm=10, circuits=[circuit])
    assert out["verdict"] == {"a": word}
    assert out["expected_mohm"]["a"] == pytest.approx(19.5 * 6)
