"""The single-line diagram: everything of the design is on it once, nothing overlaps, every circuit comes back to the bank."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.report import report
from bothy.core.wiring.diagram import Diagram, DiagramNode
from bothy.demo import curlew, fiddlehead
from tests.core.test_rules import FEEDER, MAIN
from tests.designs import BANK, CHARGER, INVERTER, KETTLE, LAMP, MPPT, PANELS, circuit, made, reported, wired

DEMOS = {"curlew": curlew.design(), "fiddlehead": fiddlehead.design()}
BARS = ("bus", "negative")


def clash(d: Diagram) -> list[str]:
    """Pairs of boxes that overlap, and boxes over the edge."""
    boxes = [n for n in d.nodes if n.kind not in BARS]
    out = [n.title for n in d.nodes if n.x < 0 or n.y < 0 or n.x + n.w > d.width or n.y + n.h > d.height]
    for i, a in enumerate(boxes):
        for b in boxes[i + 1 :]:
            if not (a.x + a.w <= b.x or b.x + b.w <= a.x or a.y + a.h <= b.y or b.y + b.h <= a.y):
                out.append(f"{a.title} and {b.title}")
    return out


def crossed(d: Diagram) -> list[str]:
    """Positive conductors that run through a box they do not start or end at."""
    out = []
    for line in d.lines:
        if line.service != "dc":
            continue
        for (x1, y1), (x2, y2) in zip(line.points, line.points[1:], strict=False):
            for n in d.nodes:
                inside = n.kind not in BARS and n.x < (x1 + x2) / 2 < n.x + n.w and n.y < (y1 + y2) / 2 < n.y + n.h
                if inside:
                    out.append(f"{line.id} through {n.title}")
    return out


@pytest.mark.parametrize("name", DEMOS)
def test_every_circuit_is_on_it_once_with_its_way_back(name: str) -> None:
    r = report(DEMOS[name])
    d = r.diagram()
    shown = [n.ref for n in d.nodes if n.kind == "circuit"]
    assert sorted(shown) == sorted(f"circuit:{c}" for c, p in r.wiring.circuits.items() if p.kind in ("load", "ac"))
    lines = {line.ref for line in d.lines}
    assert {f"circuit:{c}" for c in r.wiring.circuits} <= lines
    assert {f"return:{c}" for c, p in r.wiring.circuits.items() if p.kind in ("load", "feeder", "main", "inverter", "solar", "driving", "shore")} <= lines
    assert clash(d) == []
    assert crossed(d) == []


def test_protection_cable_current_and_loss_stand_on_the_line() -> None:
    d = report(DEMOS["curlew"]).diagram()
    pump = next(x for x in d.lines if x.ref == "circuit:water-pump-10-l-min")
    part = report(DEMOS["curlew"]).wiring.circuits["water-pump-10-l-min"]
    assert pump.label == "10 A · 4 mm²"
    assert pump.flow == f"{part.current_a:.1f} A · {part.drop_v:.2f} V"
    marks = {(m.kind, m.ref) for m in d.marks}
    assert ("fuse", "circuit:water-pump-10-l-min") in marks
    assert ("breaker", "circuit:inverter-feed") in marks
    assert ("switch", "circuit:water-pump-10-l-min") in marks
    assert {"shunt", "isolator", "rcd", "transfer", "chassis"} <= {m.kind for m in d.marks}


def test_a_sub_board_stands_inside_the_rows_of_the_board_that_feeds_it() -> None:
    nodes = {n.ref: n for n in report(DEMOS["curlew"]).diagram().nodes if n.kind == "board"}
    house, rear = nodes["board:house"], nodes["board:rear"]
    assert house.y < rear.y
    assert rear.y + rear.h <= house.y + house.h
    assert rear.x > house.x + house.w


def test_a_folded_board_is_one_row_and_all_else_stays() -> None:
    r = report(DEMOS["curlew"])
    whole, folded = r.diagram(), r.diagram(["board:house"])
    assert [n.title for n in folded.nodes if n.kind == "folded"] == ["20 circuits hidden"]
    assert folded.height < whole.height
    assert {n.ref for n in folded.nodes if n.kind == "circuit"} == {"circuit:travel-kettle", "circuit:mains-sockets"}
    assert clash(folded) == []


def test_what_is_not_there_is_not_drawn() -> None:
    d = reported(wired(circuit())).diagram()
    assert {n.kind for n in d.nodes} == {"board", "bus", "negative", "circuit"}
    bare = reported(wired(circuit(fuse_a=None, protection="none", area_mm2=None))).diagram()
    line = next(x for x in bare.lines if x.ref == "circuit:c1")
    assert line.bare
    assert line.label == "no fuse · size?"


def test_without_an_inverter_shore_goes_straight_to_the_mains_board() -> None:
    data = wired(
        circuit("ac", kind="ac", board=None, appliances=["kettle"], protection="breaker", fuse_a=10.0),
        appliances=[KETTLE],
        power={"bank": BANK, "shore": CHARGER},
    )
    d = reported(data).diagram()
    shore = next(x for x in d.lines if x.id == "ac-shore")
    board = next(n for n in d.nodes if n.id == "mains-board")
    assert shore.points[-1] == [board.x, board.y + board.h / 2]
    assert clash(d) == []


def test_chassis_returns_and_posts_are_told_apart() -> None:
    d = reported(wired(circuit("a", return_path="chassis"), circuit("b", negative_at="post"))).diagram()
    by_ref = {x.ref: x for x in d.lines}
    assert by_ref["return:a"].service == "earth"
    assert by_ref["return:b"].label == "to the battery post"


@st.composite
def boards(draw: st.DrawFn) -> dict[str, Any]:
    """A bank with up to six boards on boards, each with up to six circuits, and perhaps everything else."""
    count = draw(st.integers(1, 6))
    made_boards = [
        {
            "id": f"b{i}",
            "name": f"Board {i}",
            "letter": "ABCDEF"[i],
            "way_count": 60,
            "fed_from": None if i == 0 else draw(st.sampled_from([None, *(f"b{k}" for k in range(i))])),
        }
        for i in range(count)
    ]
    circuits: list[dict[str, Any]] = [MAIN, *({**FEEDER, "id": f"f{i}", "board": f"b{i}"} for i in range(count))]
    for i in range(draw(st.integers(0, 14))):
        circuits.append(circuit(f"c{i}", board=draw(st.sampled_from([None, *(f"b{k}" for k in range(count))]))))
    power: dict[str, Any] = {"bank": BANK}
    if draw(st.booleans()):
        power |= {"inverter": INVERTER, "shore": CHARGER}
        circuits.append(circuit("ac", kind="ac", board=None, appliances=["kettle"], protection="breaker", fuse_a=10.0))
    if draw(st.booleans()):
        power |= {"arrays": [PANELS], "controller": MPPT}
    data = wired(*circuits, appliances=[LAMP, KETTLE], power=power)
    data["wiring"] |= {"boards": made_boards, "bus_layout": draw(st.sampled_from(["one", "two"]))}
    return data


@settings(max_examples=60, deadline=None)
@given(boards(), st.data())
def test_no_design_makes_boxes_overlap_or_lines_run_through_them(data: dict[str, Any], more: st.DataObject) -> None:
    r = report(made(data))
    ids = [f"board:{b['id']}" for b in data["wiring"]["boards"]]
    d = r.diagram(more.draw(st.lists(st.sampled_from(ids), unique=True)))
    assert clash(d) == []
    assert crossed(d) == []
    rows: list[DiagramNode] = [n for n in d.nodes if n.kind in ("circuit", "folded")]
    assert len({n.id for n in d.nodes}) == len(d.nodes)
    assert len({n.y for n in rows}) == len(rows), "each in a row of its own"
