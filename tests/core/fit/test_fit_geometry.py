"""Geometry of places by properties: what moves together changes nothing, a mirror mirrors, more clearance frees nothing, levers add up, paths are shortest."""

from __future__ import annotations

import itertools
import math
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.contract import BadInput
from bothy.core.fit.boxes import Box, Checked, above, clashes, gap, penetration
from bothy.core.fit.hull import Hull
from bothy.core.fit.passing import corner, least_tilt
from bothy.core.fit.routing import Edge, Net, Wanted, square
from bothy.core.fit.things import posed, things_of
from bothy.core.fit.tie_down import needed, pulls
from bothy.core.fit.weight import Axles, Mass, axle_sum
from bothy.demo import curlew

COORD = st.floats(-2, 2).map(lambda x: round(x, 3))
SIZE = st.floats(0.05, 1).map(lambda x: round(x, 3))
CLEAR = st.tuples(*[st.sampled_from([0.0, 0.05, 0.2])] * 6)


@st.composite
def boxes(draw: Any) -> Box:
    x, y, z = draw(COORD), draw(COORD), draw(COORD)
    return Box(x, x + draw(SIZE), y, y + draw(SIZE), z, z + draw(SIZE))


def kinds(a: Box, b: Box, ca: Any, cb: Any) -> list[tuple[str, str, float]]:
    return [(c.kind, c.a, round(c.depth_m, 6)) for c in clashes([Checked("a", a, ca), Checked("b", b, cb)], [], None)]


@given(boxes(), boxes(), CLEAR, CLEAR, COORD, COORD)
def test_moving_both_changes_nothing(a: Box, b: Box, ca: Any, cb: Any, dx: float, dy: float) -> None:
    assert kinds(a, b, ca, cb) == kinds(a.moved(dx, dy, 0.3), b.moved(dx, dy, 0.3), ca, cb)


@given(boxes(), boxes(), CLEAR, CLEAR)
def test_a_mirror_mirrors(a: Box, b: Box, ca: Any, cb: Any) -> None:
    def over(box: Box) -> Box:
        return box._replace(y0=-box.y1, y1=-box.y0)

    def swap(c: Any) -> Any:
        return (c[0], c[1], c[3], c[2], c[4], c[5])

    assert kinds(a, b, ca, cb) == kinds(over(a), over(b), swap(ca), swap(cb))


@given(boxes(), boxes(), CLEAR, st.sampled_from([0.01, 0.1]))
def test_more_clearance_frees_nothing(a: Box, b: Box, ca: Any, more: float) -> None:
    few, many = kinds(a, b, ca, (0.0,) * 6), kinds(a, b, tuple(c + more for c in ca), (0.0,) * 6)
    assert len(many) >= len(few)


@given(boxes(), boxes())
def test_gap_and_depth_agree(a: Box, b: Box) -> None:
    if penetration(a, b) > 1e-9:
        assert gap(a, b) == 0
    else:
        apart = max(0.0, -penetration(a, b))
        assert gap(a, b) >= apart - 1e-9


def test_the_larger_of_two_clearances_is_needed_not_their_sum() -> None:
    a, b = Box(0, 1, 0, 1, 0, 1), Box(1.1, 2, 0, 1, 0, 1)
    front, rear = (0, 0.1, 0, 0, 0, 0), (0.08, 0, 0, 0, 0, 0)
    assert kinds(a, b, front, rear) == []
    assert kinds(a, b.moved(-0.002, 0, 0), front, rear) == [("clearance", "a", 0.002)]


def test_touching_is_free_and_a_millimetre_is_not() -> None:
    a, none = Box(0, 1, 0, 1, 0, 1), (0.0,) * 6
    assert kinds(a, Box(1, 2, 0, 1, 0, 1), none, none) == []
    assert kinds(a, Box(0.999, 2, 0, 1, 0, 1), none, none) == [("overlap", "a", 0.001)]


def test_drips_run_sideways_by_a_hand() -> None:
    tank, board = Box(0, 1, 0, 1, 1, 1.3), Box(1.05, 1.2, 0, 0.2, 0.5, 0.7)
    assert above(tank, board)
    assert not above(tank, board.moved(0.06, 0, 0))
    assert not above(board, tank)


SHELL = Hull([0.1, 1.0], [(0.0, [0.8, 0.9], [0.7, 0.9], 1.8), (2.0, [1.0, 1.0], [1.0, 1.0], 2.0)])


@given(st.floats(0, 2), st.floats(0, 2), st.floats(0, 1.5), st.floats(0, 1.5))
def test_the_least_width_is_never_more_than_at_any_point(x0: float, x1: float, z0: float, z1: float) -> None:
    x0, x1, z0, z1 = min(x0, x1), max(x0, x1), min(z0, z1), max(z0, z1)
    r = SHELL.over(x0, x1, z0, z1)
    for i, j in itertools.product(range(6), range(6)):
        left, right, height = SHELL.at(x0 + (x1 - x0) * i / 5, z0 + (z1 - z0) * j / 5)
        assert r.left_m <= left + 1e-9 and r.right_m <= right + 1e-9 and r.height_m <= height + 1e-9


def test_areas_of_a_straight_box() -> None:
    box = Hull([0.1, 1.0], [(0.0, [1, 1], [1, 1], 2.0), (3.0, [1, 1], [1, 1], 2.0)])
    assert box.floor_area_m2() == pytest.approx(6) and box.side_area_m2("left") == pytest.approx(6) and box.volume_m3() == pytest.approx(12)


def test_a_tilt_is_the_least_that_passes() -> None:
    t = least_tilt(0.2, 1.0, 0.9, 0.95, 90)
    assert t is not None and 0 < t < 90
    for angle, passes in ((t, True), (t - 0.5, False)):
        c, s = math.cos(math.radians(angle)), math.sin(math.radians(angle))
        assert (0.2 * c + 1.0 * s <= 0.9 + 1e-9 and 0.2 * s + 1.0 * c <= 0.95 + 1e-9) is passes


def test_a_ladder_round_a_corner_is_the_classical_one() -> None:
    way = corner(1.0, 1e-9, 0.7, 0.9)
    assert way.length_max_m == pytest.approx((0.7 ** (2 / 3) + 0.9 ** (2 / 3)) ** 1.5, rel=1e-4)


MASS = st.builds(Mass, st.text("ab", min_size=1), st.floats(1, 500), st.floats(-1, 6), st.floats(-1, 1), st.floats(0, 2))


@given(st.lists(MASS, min_size=1, max_size=12))
def test_axle_loads_are_all_the_mass_and_balance(masses: list[Mass]) -> None:
    axles = Axles(1.2, 5.2)
    loads = axle_sum(axles, masses, {})
    whole = sum(m.kg for m in masses)
    assert loads.front + loads.rear == pytest.approx(whole)
    assert loads.left + loads.right == pytest.approx(whole)
    assert loads.front * 5.2 + loads.rear * 1.2 == pytest.approx(sum(m.kg * m.x for m in masses), abs=1e-6)


def test_moving_a_mass_moves_its_lever() -> None:
    axles = Axles(1.0, 5.0)
    before, after = (axle_sum(axles, [Mass("m", 40, x)], {}) for x in (2.0, 2.4))
    assert after.front - before.front == pytest.approx(40 * 0.4 / 4.0)


def test_fixings_needed_are_even_and_hold() -> None:
    rows = pulls(60, (10, 10, 10, 10), 4, 2500, 2500, 2, 0.3, (0.5, 0.3))
    n = needed(4, max(r.used for r in rows))
    assert n % 2 == 0 and n >= 4
    assert max(r.used for r in pulls(60, (10, 10, 10, 10), n, 2500, 2500, 2, 0.3, (0.5, 0.3))) <= 1 + 1e-9
    assert max(r.used for r in pulls(60, (10, 10, 10, 10), n - 2, 2500, 2500, 2, 0.3, (0.5, 0.3))) > 1


NODES = {n: (float(i % 3), float(i // 3), 0.0) for i, n in enumerate("abcdefghi")}
PAIRS = [(a, b) for a, b in itertools.combinations("abcdefghi", 2) if square(NODES[a], NODES[b]) == 1]


def shortest(edges: list[Edge], service: str, a: str, b: str) -> float | None:
    """The least cost over all permitted simple paths, by trying every one."""
    best = None

    def walk(at: str, seen: tuple[str, ...], cost: float) -> None:
        nonlocal best
        if best is not None and cost >= best:
            return
        if at == b:
            best = cost
            return
        for e in edges:
            if service in e.services and at in (e.a, e.b):
                to = e.b if at == e.a else e.a
                if to not in seen:
                    walk(to, (*seen, to), cost + e.length_m * (1 + 4 * len(e.tags)))

    walk(a, (a,), 0.0)
    return best


@given(st.lists(st.tuples(st.sampled_from(PAIRS), st.booleans(), st.booleans()), max_size=12, unique_by=lambda t: t[0]))
def test_a_run_takes_the_cheapest_permitted_way_and_no_other(rows: list[Any]) -> None:
    edges = [Edge(f"e{i}", a, b, 1.0 + 0.1 * i, frozenset(["dc"] if dc else ["gas"]), ("heat",) if hot else ()) for i, ((a, b), dc, hot) in enumerate(rows)]
    net = Net(NODES, edges, {"heat": 4.0})
    way = net.route(Wanted("r", "dc", NODES["a"], NODES["i"], "a", "i"))
    best = shortest(edges, "dc", "a", "i")
    if best is None:
        assert way.path is None and way.along_m is None
        return
    assert way.path is not None
    used = [net.edges[e] for e in way.edges]
    assert all("dc" in e.services for e in used)
    assert sum(e.length_m * (1 + 4 * len(e.tags)) for e in used) == pytest.approx(best)


def test_a_net_in_two_pieces_is_entered_where_the_other_end_can_be_reached() -> None:
    edges = [Edge("e1", "a", "b", 1.0, frozenset(["dc"])), Edge("e2", "h", "i", 1.0, frozenset(["dc"]))]
    net = Net(NODES, edges)
    near_b, near_i = (1.1, 0.1, 0.0), (2.0, 1.8, 0.0)
    alone = net.route(Wanted("r", "dc", near_b, near_i))
    joined = net.route(Wanted("r", "dc", near_b, near_i), joined=True)
    assert alone.path is None
    assert joined.path is not None and joined.drop_m > alone.drop_m


def test_every_pose_keeps_its_volume_and_its_clearances() -> None:
    t = next(t for t in things_of(curlew.design()) if t.key == "life:fridge")
    for up, yaw in itertools.product(("top", "front", "rear", "left", "right", "bottom"), (0, 90, 180, 270)):
        size, clear = posed(t, up, yaw)
        assert math.prod(size) == pytest.approx(math.prod(t.size))
        assert sorted(clear) == sorted(t.clearance)
    assert posed(t, "top", 90)[1][3] == t.clearance[1], "a quarter turn to the left brings its front to the left"


@pytest.mark.parametrize(
    ("name", "data", "key"),
    [
        ("shell-width", {"shell": {"levels_z_m": [1, 0.5], "stations": []}, "x0_m": 0}, "stations"),
        ("shell-width", {"shell": {"levels_z_m": [0.5], "stations": [{"x_m": 1, "left_m": [1], "right_m": [1], "height_m": 2}] * 2}, "x0_m": 1}, "x_m"),
        ("box-fit", {"boxes": [{"id": "a", "x0_m": 1, "x1_m": 0.5, "y0_m": 0, "y1_m": 1, "z0_m": 0, "z1_m": 1}]}, "x1_m"),
        ("box-fit", {"boxes": [{"id": "a", "x0_m": 0, "x1_m": 1, "y0_m": 0, "y1_m": 1, "z0_m": 0, "z1_m": 1, "open_faces": ["lid"]}]}, "open_faces"),
        ("door-pass", {"opening_width_m": 0.02, "opening_height_m": 1, "width_m": 1, "depth_m": 1, "height_m": 1}, "opening_width_m"),
        ("axle-loads", {"rear_axle_x_m": 1, "front_axle_x_m": 1.2, "base": {"front_kg": 1, "rear_kg": 1}}, "front_axle_x_m"),
        ("axle-loads", {"rear_axle_x_m": 1, "front_axle_x_m": 4, "base": {"front_kg": 0, "rear_kg": 0}}, "front_kg"),
        ("tie-down", {"mass_kg": 5, "fixing_count": 5, "fixing_shear_n": 1, "fixing_pull_n": 1}, "fixing_count"),
        ("tie-down", {"mass_kg": 5, "cg_height_m": 0.1, "fixing_shear_n": 1, "fixing_pull_n": 1}, "base_x_m"),
        ("trailer-balance", {"region": "uk", "coupling_x_m": 1, "axles_x_m": [1], "base": {"nose_kg": 1, "axle_kg": 1}}, "coupling_x_m"),
        ("sheet-mass", {"pieces": [{"id": "a", "material": "mdf", "area_m2": 1, "thickness_mm": 9, "cutout_area_m2": 2}]}, "cutout_area_m2"),
        ("sheet-count", {"area_m2": 1, "batten_run_m": 2}, "batten_length_m"),
        (
            "route-length",
            {
                "nodes": [{"id": "a", "x_m": 0, "y_m": 0, "z_m": 0}],
                "edges": [{"id": "e", "a": "a", "b": "z", "services": ["dc"]}],
                "runs": [{"id": "r", "service": "dc", "from": {"x_m": 0, "y_m": 0, "z_m": 0}, "to": {"x_m": 1, "y_m": 0, "z_m": 0}}],
            },
            "b",
        ),
    ],
)
def test_what_is_wrong_is_named(name: str, data: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        calculate(name, data)
    assert e.value.key == key
