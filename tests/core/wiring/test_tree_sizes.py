"""Sizes of a tree chosen together: as good as trying every choice, never worse than branch by branch."""

from __future__ import annotations

import itertools

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.wiring.tree_sizes import COPPER_KG, MISSED_KG, Branch, Node, Option, best_sizes, one_by_one

SIZES = ((1.0, 19.5), (2.5, 7.98), (6.0, 3.3), (16.0, 1.21))
"""Metal in mm² and mΩ of a metre."""


def options(length_m: float, least: int = 0) -> list[Option]:
    return [Option(i, a, 2 * length_m * r, 2 * length_m * a * COPPER_KG) for i, (a, r) in enumerate(SIZES) if i >= least]


branches = st.lists(st.tuples(st.floats(0.5, 12), st.floats(0.5, 9), st.sampled_from([0.36, 1.2])), min_size=1, max_size=3)


def node(id: str, feeder_m: float, loads: list[tuple[float, float, float]], below: list[Node] | None = None) -> Node:
    made = [Branch(f"{id}{i}", amps, limit, options(metres)) for i, (amps, metres, limit) in enumerate(loads)]
    amps = sum(b.current_a for b in made) + sum(n.current_a for n in below or [])
    return Node(id, amps, options(feeder_m), branches=made, below=below or [])


def everything(top: Node) -> float:
    """The least cost of every combination of sizes, each limit that is missed at its price."""
    nodes = [top, *top.below]
    feeders = [n.options for n in nodes]
    leaves = [(n, b) for n in nodes for b in n.branches]
    best = float("inf")
    for fed in itertools.product(*feeders):
        own = {n.id: n.current_a * o.mohm / 1000 for n, o in zip(nodes, fed, strict=True)}
        for chosen in itertools.product(*(b.options for _, b in leaves)):
            cost = sum(o.cost for o in fed)
            for (n, b), o in zip(leaves, chosen, strict=True):
                lost = own[top.id] + (own[n.id] if n is not top else 0.0) + b.current_a * o.mohm / 1000
                cost += o.cost + MISSED_KG * max(0.0, lost - b.limit_v)
            best = min(best, cost)
    return best


@settings(max_examples=40, deadline=None)
@given(branches, st.floats(0.3, 4), st.one_of(st.none(), st.tuples(branches.filter(lambda x: len(x) < 3), st.floats(0.3, 4))))
def test_the_choice_is_that_of_trying_everything(
    loads: list[tuple[float, float, float]], feeder_m: float, sub: tuple[list[tuple[float, float, float]], float] | None
) -> None:
    below = [node("b", sub[1], sub[0])] if sub is not None and len(loads) < 3 else []
    top = node("a", feeder_m, loads, below)
    assert best_sizes(top).cost == pytest.approx(everything(top), rel=1e-6, abs=1e-6)


@settings(max_examples=60, deadline=None)
@given(branches, st.floats(0.3, 4))
def test_together_is_never_more_copper_than_one_by_one(loads: list[tuple[float, float, float]], feeder_m: float) -> None:
    top = node("a", feeder_m, loads)
    assert best_sizes(top).cost <= one_by_one(top, 0.12).cost + 1e-9


def test_a_metre_of_feeder_is_enlarged_instead_of_six_long_branches() -> None:
    """Six branches of 7 m with 3 A each miss 3 % by a little: one metre of a thicker feeder costs less than 42 m of thicker branches."""
    top = node("a", 1.0, [(3.0, 7.0, 0.36)] * 6)
    got = best_sizes(top)
    assert got.sizes["a"].area_mm2 > 1.0
    assert got.cost < one_by_one(top, 1e9).cost, "with the thinnest feeder the branches cost more"


def test_what_is_fitted_stays_and_costs_nothing() -> None:
    fitted = Node("a", 5.0, options(2.0)[1:2], fixed=True, branches=[Branch("x", 5.0, 0.5, options(3.0)[2:3], fixed=True)])
    assert best_sizes(fitted).cost == 0.0
    assert {k: o.area_mm2 for k, o in best_sizes(fitted).sizes.items()} == {"a": 2.5, "x": 6.0}
