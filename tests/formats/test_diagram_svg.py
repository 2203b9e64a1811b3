"""The diagram as SVG, and its pages."""

from __future__ import annotations

from itertools import pairwise
from xml.etree import ElementTree as ET

import pytest

from bothy.core.report import report
from bothy.demo import curlew
from bothy.formats.diagram_svg import SQUEEZE, page_svg, pages, to_svg
from tests.designs import LAMP, circuit, made, reported, wired


def test_it_is_well_formed_and_shows_every_circuit() -> None:
    r = report(curlew.design())
    words = " ".join(ET.fromstring(to_svg(r.diagram(), "Curlew")).itertext())
    for part in r.wiring.circuits.values():
        if part.kind in ("load", "ac"):
            assert f"{part.code} " in words
    assert "350 A · 120 mm²" in words
    assert "shunt" in words


def test_names_are_escaped() -> None:
    data = wired(circuit(name="<script>&\"'"), appliances=[{**LAMP, "name": "<b>lamp</b>"}])
    svg = to_svg(reported(data).diagram(), "<title>")
    assert "<script>" not in svg
    assert "<b>" not in svg
    assert ET.fromstring(svg) is not None


def test_services_differ_in_pattern_not_in_colour() -> None:
    data = wired(circuit("bare", fuse_a=None, protection="none"), circuit("ac", kind="ac", protection="breaker", fuse_a=6.0))
    svg = to_svg(reported(data).diagram(), "t")
    assert "stroke-dasharray='9 3'" in svg
    assert "stroke-dasharray='2 2'" in svg
    assert "no fuse" in svg
    assert set(svg.split("stroke='")[1:]) and {s.split("'")[0] for s in svg.split("stroke='")[1:]} == {"#20261F"}


@pytest.mark.parametrize("count", [4, 60, 200])
def test_pages_hold_every_row_and_cut_none(count: int) -> None:
    boards = [{"id": f"b{i}", "name": f"Board {i}", "letter": "ABCDEFGHJK"[i], "way_count": 60} for i in range(10)]
    data = wired(*(circuit(f"c{i}", board=f"b{i * 10 // count}") for i in range(count)))
    data["wiring"]["boards"] = boards
    d = report(made(data)).diagram()
    most = 780.0
    found = pages(d, most)
    assert found[0][0] == 0
    assert found[-1][1] == d.height
    assert all(a[1] == b[0] for a, b in pairwise(found))
    assert len(found) == 1 or all(bottom - top <= most for top, bottom in found)
    assert (len(found) == 1) == (d.height <= SQUEEZE * most)
    for top, bottom in found:
        assert ET.fromstring(page_svg(d, top, bottom)) is not None
        cut = [n.title for n in d.nodes if n.kind == "circuit" and n.y < bottom < n.y + n.h]
        assert not cut
