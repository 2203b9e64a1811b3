"""The network solver: Kirchhoff everywhere, against a dense solution and by hand, and what it refuses."""

from __future__ import annotations

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.contract import BadInput


def solve(**data: Any) -> dict[str, Any]:
    return calculate("dc-network", data).dump()


def branch(id: str, a: str, b: str, mohm: float = 10.0, **more: Any) -> dict[str, Any]:
    return {"id": id, "from": a, "to": b, "resistance_mohm": mohm, **more}


BANK = [{"node": "bank", "voltage_v": 12.8, "resistance_mohm": 4}]


@st.composite
def trees(draw: st.DrawFn) -> dict[str, Any]:
    """A bank, up to 25 branches each hung on a node before it, loads of every kind at some of them, a return path for some."""
    count = draw(st.integers(1, 25))
    branches = [branch("b0", "bank", "n0", draw(st.floats(0.1, 20)))]
    loads: list[dict[str, Any]] = []
    for i in range(1, count):
        branches.append(branch(f"b{i}", f"n{draw(st.integers(0, i - 1))}", f"n{i}", draw(st.floats(0.1, 60)), closed=draw(st.integers(0, 9)) > 0))
    if draw(st.booleans()):
        branches.append(branch("shunt", "neg", "ref", 0.1))
    back = "neg" if branches[-1]["id"] == "shunt" else "ref"
    for i in range(count):
        kind = draw(st.sampled_from(["power_w", "current_a", "resistance_mohm", None]))
        if kind:
            value = {"power_w": st.floats(0, 60), "current_a": st.floats(-10, 10), "resistance_mohm": st.floats(500, 1e5)}[kind]
            loads.append({"id": f"l{i}", "node": f"n{i}", "return_node": draw(st.sampled_from(["ref", back])), kind: draw(value)})
    return {"sources": BANK, "branches": branches, "loads": loads}


@settings(max_examples=60, deadline=None)
@given(trees())
def test_what_flows_in_flows_out_at_every_node(data: dict[str, Any]) -> None:
    out = solve(**data)
    if not out["converged"]:
        assert out["violations"] == [{"code": "voltage_collapse", "subject": "network"}]
        return
    balance = dict.fromkeys([*out["node_voltage_v"], "ref"], 0.0)
    for b in data["branches"]:
        amps = out["branch_current_a"][b["id"]]
        balance[b["from"]] -= amps
        balance[b["to"]] += amps
    for load in data["loads"]:
        amps = out["load_current_a"][load["id"]]
        balance[load["node"]] -= amps
        balance[load["return_node"]] += amps
    balance["bank"] += out["source_current_a"]["bank"]
    balance["ref"] -= out["source_current_a"]["bank"]
    assert max(abs(x) for x in balance.values()) < 1e-6
    given_w = sum(12.8 * a - 4e-3 * a**2 for a in out["source_current_a"].values())
    used_w = sum(out["load_voltage_v"][k] * a for k, a in out["load_current_a"].items())
    assert given_w == pytest.approx(used_w + out["total_loss_w"], abs=1e-5)
    for load in data["loads"]:
        if load.get("power_w") and load["node"] not in out["dead_nodes"] and load["return_node"] not in out["dead_nodes"]:
            assert out["load_voltage_v"][load["id"]] * out["load_current_a"][load["id"]] == pytest.approx(load["power_w"], rel=1e-7)


@settings(max_examples=30, deadline=None)
@given(trees())
def test_the_same_as_a_dense_solution_of_the_found_currents(data: dict[str, Any]) -> None:
    """Load currents given, the voltages are linear: numpy's dense solver must find the same ones."""
    out = solve(**data)
    if not out["converged"]:
        return
    names = [n for n in out["node_voltage_v"] if n not in out["dead_nodes"]]
    index = {n: i for i, n in enumerate(names)}
    g, j = np.zeros((len(names), len(names))), np.zeros(len(names))

    def stamp(a: str, b: str, siemens: float) -> None:
        for x, y, sign in ((a, a, 1), (b, b, 1), (a, b, -1), (b, a, -1)):
            if x in index and y in index:
                g[index[x], index[y]] += sign * siemens

    stamp("bank", "ref", 250)
    j[index["bank"]] += 12.8 * 250
    for b in data["branches"]:
        if b.get("closed", True) and b["from"] in index and (b["to"] in index or b["to"] == "ref"):
            stamp(b["from"], b["to"], 1000 / b["resistance_mohm"])
    for load in data["loads"]:
        for node, sign in ((load["node"], -1), (load["return_node"], 1)):
            if node in index:
                j[index[node]] += sign * out["load_current_a"][load["id"]]
    dense = np.linalg.solve(g, j)
    assert max(abs(dense[i] - out["node_voltage_v"][n]) for n, i in index.items()) < 1e-6


def test_one_load_by_hand() -> None:
    """12.8 V behind 4 + 36 mΩ, 96 W: V is the upper root of V² − 12.8·V + 0.04·96 = 0."""
    out = solve(sources=BANK, branches=[branch("feed", "bank", "lamp", 36)], loads=[{"id": "x", "node": "lamp", "power_w": 96}])
    volts = (12.8 + math.sqrt(12.8**2 - 4 * 0.04 * 96)) / 2
    assert out["load_voltage_v"]["x"] == pytest.approx(volts, abs=1e-8)
    assert out["branch_heat_w"]["feed"] == pytest.approx(0.036 * (96 / volts) ** 2)


@pytest.mark.parametrize(("part", "fits"), [(0.999, True), (1.001, False)])
def test_the_most_that_can_pass_is_a_quarter_of_the_short(part: float, fits: bool) -> None:
    """E²/4R is where the voltage collapses."""
    most = 12.8**2 / (4 * 0.040)
    out = solve(sources=BANK, branches=[branch("feed", "bank", "far", 36)], loads=[{"id": "x", "node": "far", "power_w": part * most}])
    assert out["converged"] == fits


def test_a_ring_shares_its_current_by_resistance() -> None:
    out = solve(
        sources=BANK, branches=[branch("short", "bank", "far", 10), branch("long", "bank", "far", 30)], loads=[{"id": "x", "node": "far", "current_a": 8}]
    )
    assert out["branch_current_a"] == pytest.approx({"short": 6, "long": 2})


def test_an_open_switch_leaves_what_is_behind_it_dead() -> None:
    out = solve(
        sources=BANK,
        branches=[branch("isolator", "bank", "bus", 1, closed=False), branch("feed", "bus", "pump", 20)],
        loads=[{"id": "pump", "node": "pump", "power_w": 60, "min_voltage_v": 11}],
    )
    assert out["dead_nodes"] == ["bus", "pump"]
    assert (out["load_voltage_v"]["pump"], out["load_current_a"]["pump"], out["load_drop_frac"]["pump"], out["violations"]) == (0, 0, None, [])


def test_violations_name_branch_and_load_in_order() -> None:
    out = solve(
        max_drop_frac=0.03,
        sources=BANK,
        branches=[branch("feed", "bank", "board", 20, fuse_a=20, ampacity_a=15), branch("pump", "board", "pump", 60, fuse_a=25, ampacity_a=20)],
        loads=[{"id": "pump", "node": "pump", "current_a": 22, "min_voltage_v": 11.5}],
    )
    assert [(v["code"], v["subject"]) for v in out["violations"]] == [
        ("over_ampacity", "feed"),
        ("fuse_over_rating", "feed"),
        ("fuse_above_ampacity", "feed"),
        ("over_ampacity", "pump"),
        ("fuse_margin", "pump"),
        ("fuse_above_ampacity", "pump"),
        ("load_undervoltage", "pump"),
        ("drop_over_limit", "pump"),
    ]


@pytest.mark.parametrize(
    ("change", "key", "words"),
    [
        ({"sources": [*BANK, *BANK]}, "node", "two sources"),
        ({"sources": [{"node": "ref", "voltage_v": 12}]}, "node", "negative post"),
        ({"branches": [branch("a", "x", "y")]}, "branches", "no source can reach x, y"),
        ({"branches": [branch("a", "bank", "y"), branch("a", "y", "z")]}, "id", "used twice"),
        ({"branches": [branch("a", "bank", "bank")]}, "to", "another node"),
        ({"branches": [{"id": "a", "from": "bank", "to": "y"}]}, "resistance_mohm", "is required"),
        ({"branches": [{"id": "a", "from": "bank", "to": "y", "area_mm2": 4}]}, "resistance_mohm", "with the length"),
        ({"loads": [{"id": "x", "node": "nowhere", "power_w": 1}]}, "node", "load 'x' is 'nowhere'"),
        ({"loads": [{"id": "x", "node": "bank", "return_node": "nowhere", "power_w": 1}]}, "return_node", "no source and no branch"),
        ({"loads": [{"id": "x", "node": "bank"}]}, "power_w", "exactly one"),
        ({"sources": []}, "sources", "at least 1"),
    ],
)
def test_a_network_that_is_none_is_refused_by_name(change: dict[str, Any], key: str, words: str) -> None:
    with pytest.raises(BadInput) as error:
        solve(**{"sources": BANK, **change})
    assert error.value.key == key
    assert words in error.value.message


def test_a_thousand_branches_and_a_hundred_volts_apart() -> None:
    """A long chain of thin cable: the sum by hand is the sum of the solver."""
    chain = [branch(f"b{i}", "bank" if i == 0 else f"n{i - 1}", f"n{i}", 0.5) for i in range(1000)]
    out = solve(nominal_voltage_v=100, sources=[{"node": "bank", "voltage_v": 100}], branches=chain, loads=[{"id": "x", "node": "n999", "current_a": 50}])
    assert out["load_voltage_v"]["x"] == pytest.approx(100 - 50 * 0.5, abs=1e-4)
