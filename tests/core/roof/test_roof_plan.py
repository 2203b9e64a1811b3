"""The roof plan: packing and openings proposed, shade against a polygon library's area and another way to reckon it, masses, templates read back."""

from __future__ import annotations

import io
import math
from itertools import combinations, pairwise
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.fit.body import body_of
from bothy.core.report import report
from bothy.core.roof.bond import lines_of, seal_m
from bothy.core.roof.curing import CURINGS, Air, cure, day_air, needed_h, rate_of
from bothy.core.roof.lay_out import lay_out, pack_some, room_for
from bothy.core.roof.pack import Kind, Rect
from bothy.core.roof.plan import Cut, roof_things, shape_of
from bothy.core.roof.rules import apart, margin_between, over_edge
from bothy.core.roof.shading import STRIPS, Blocker, blockers_of, lit_strips
from bothy.core.roof.sun_shadow import area_within, shadow_hull, shift_of
from bothy.core.roof.template import template_of
from bothy.formats import roof_template
from tests.core.roof.test_roof_rules import BOX, FLAT, planned, spots
from tests.designs import MPPT, PANELS, blank

VEHICLES: dict[str, dict[str, Any]] = {
    "small van": {"preset": "small_van", "panels": 1, "fans": 1, "lights": 0},
    "minibus": {"preset": "minibus", "panels": 4, "fans": 2, "lights": 1},
    "box body": {"preset": "truck_body", "panels": 6, "fans": 1, "lights": 2},
    "boat": {"preset": "boat", "panels": 4, "fans": 0, "lights": 2},
    "bus": {"preset": "bus", "panels": 6, "fans": 2, "lights": 1},
}


def vehicle(preset: str, panels: int, fans: int, lights: int) -> Design:
    fan = {"id": "fan", "name": "Roof fan", "kind": "fan", "zone": "roof", "power_w": 30, "hours_per_day": 4, "count": max(1, fans)}
    data = blank(
        vehicle={"preset": preset},
        life={"appliances": [fan] if fans else []},
        power={"arrays": [{**PANELS, "series_count": 1, "parallel_count": panels}], "controller": MPPT},
        warmth={"openings": [{"id": "sky", "name": "Rooflight", "on": "roof", "kind": "rooflight", "width_m": 0.4, "height_m": 0.4, "count": lights}]}
        if lights
        else {},
    )
    return load_design(data)


@pytest.mark.parametrize("name", list(VEHICLES))
def test_what_is_proposed_is_free_of_each_other_and_of_the_ribs(name: str) -> None:
    d = vehicle(**VEHICLES[name])
    made = lay_out(d)
    laid = apply_patch(d, made.patch(d))
    roof, things = shape_of(laid, body_of(laid)), [t for t in roof_things(laid) if t.rect is not None]
    assert len(things) == len(made.spots) and len(made.spots) + len(made.left) == len(roof_things(d))
    for a, b in combinations(things, 2):
        assert a.rect is not None and b.rect is not None
        assert apart(a.rect, b.rect) >= margin_between(a, b) - 1e-6, (a.name, b.name)
    assert all(over_edge(t, roof)[1] <= 1e-6 for t in things)
    bad = [f for f in report(laid).findings if f.rule.startswith(("fit-roof", "fit-bond", "fit-panel-air", "fit-rib")) and f.severity in ("danger", "fault")]
    assert not bad, [f.message for f in bad]
    assert made.panels <= made.most and made.why
    again = lay_out(laid)
    assert not again.spots, "what lies stays"


def test_a_few_panels_more_never_fit_where_the_bound_says_so() -> None:
    """Row by row against the area's bound, on a roof with too many positions to try all."""
    kinds = [Kind("a", 1.05, 0.54, 1.0), Kind("b", 0.77, 0.33, 1.0), Kind("c", 0.61, 0.29, 1.0)]
    usable = Rect(0, 8, -1.05, 1.05)
    got, n, most = pack_some(usable, kinds, [Rect(2, 2.5, -0.3, 0.3)], 0.02, steps=1)
    assert 0 < n == len(got) <= most
    for a, b in combinations(got, 2):
        assert apart(a.rect, b.rect) >= 0.02 - 1e-6


def test_room_is_counted_beside_what_lies() -> None:
    d = planned()
    with_fan = room_for(d, 1.6, 0.7)
    less = room_for(planned(own=[BOX], spots=spots(x={"of": "roof:box", "x_m": 2.0, "y_m": -0.3})), 1.6, 0.7)
    assert with_fan is not None and less is not None and 0 < less < with_fan
    assert room_for(load_design(blank()), 1.6, 0.7) is None


@settings(deadline=None, max_examples=40)
@given(
    x=st.floats(-1.5, 3.0),
    y=st.floats(-1.5, 1.5),
    height=st.floats(0.02, 0.6),
    elevation=st.floats(8, 80),
    bearing=st.floats(0, 359),
)
def test_a_strip_is_dark_where_the_hull_of_the_shadow_covers_it(x: float, y: float, height: float, elevation: float, bearing: float) -> None:
    """Points along the ray to the sun, against the area of the cast hull inside each strip, reckoned by cutting polygons."""
    panel, thing = Rect(0, 1.5, -0.45, 0.45), Rect(x, x + 0.4, y, y + 0.4)
    lit = lit_strips([panel], [[Blocker(thing, height)]], np.array([elevation]), np.array([bearing]))[0, 0]
    _, dx, dy = shift_of(height, elevation, bearing)
    hull = shadow_hull((thing.x0, thing.x1, thing.y0, thing.y1), (dx, dy))
    for s in range(STRIPS):
        strip = (0.0, 1.5, -0.45 + 0.3 * s, -0.45 + 0.3 * (s + 1))
        covered = area_within(hull, strip) / 0.45
        if covered > 0.2:
            assert not lit[s]
        if covered == 0:
            assert lit[s]


def test_a_shadow_never_adds_yield() -> None:
    near, far = report(planned(spots=spots(fan={"x_m": 1.76}))), report(planned(spots=spots(fan={"x_m": 3.65})))
    assert sum(near.roof.shade["roof"]) > sum(far.roof.shade["roof"]) >= 0
    for season in ("winter", "summer"):
        key = f"power/{season}/solar_wh"
        assert near.figures[key]["value"] < far.figures[key]["value"] <= report(planned(spots=[])).figures[key]["value"] + 1e-9


def test_a_shade_that_was_entered_wins() -> None:
    d = planned(spots=spots(fan={"x_m": 1.76}))
    hand = [0.0] * 8 + [0.5] * 8 + [0.0] * 8
    typed = apply_patch(d, [{"op": "replace", "path": "/power/arrays/0/shade_frac", "value": hand}])
    same = planned(spots=spots(fan={"x_m": 3.65}))
    same = apply_patch(same, [{"op": "replace", "path": "/power/arrays/0/shade_frac", "value": hand}])
    assert report(typed).figures["power/winter/solar_wh"]["value"] == report(same).figures["power/winter/solar_wh"]["value"]


def test_the_array_stands_where_its_panels_lie_and_all_masses_count_once() -> None:
    d = planned(own=[BOX], spots=spots(x={"of": "roof:box", "x_m": 2.0, "y_m": -0.3, "bolts": 8}))
    r = report(d)
    array = next(t for t in r.fit.things if t.key == "power:array-roof")
    assert array.box is not None and array.box[:4] == pytest.approx([0.1, 1.7, -0.71, 0.71])
    before = report(planned()).fit.weight.roof_kg
    assert r.fit.weight.roof_kg - before == pytest.approx(20.0)
    assert sum(1 for k in r.fit.weight.rows if k.key == "roof:box") == 1


def test_level_over_the_crown() -> None:
    """Crown 40 mm on 1.6 m: at 0.71 m from the middle the roof lies 31.5 mm lower, which the outer foot is packed by."""
    t = next(t for t in report(planned(crown_mm=40)).roof.things if t.key == "panel:roof-1")
    assert t.packing_mm is not None
    low = 40 * (2 * 0.71 / 1.6) ** 2
    high = 40 * (2 * 0.01 / 1.6) ** 2
    assert t.packing_mm[0] == pytest.approx(30 + low - high, abs=0.01)
    assert t.packing_mm[1] == pytest.approx(30.0, abs=0.01)


def test_profiles_lie_along_the_vehicle_and_a_flat_panel_drains_to_the_rear() -> None:
    d = planned(spots=spots(b={"held": "perimeter"}))
    a, b = (next(t for t in roof_things(d) if t.key == k) for k in ("panel:roof-1", "panel:roof-2"))
    assert all(p[0][1] == p[1][1] for p in lines_of(a))
    round_it = lines_of(b)
    assert len(round_it[0]) == 4, "the front edge and both sides are closed"
    rear = [line for line in round_it[1:] if line[0][0] == line[-1][0]]
    gaps = [q[0][1] - p[-1][1] for p, q in pairwise(rear)]
    assert gaps and all(g == pytest.approx(0.015) for g in gaps)


def test_the_length_round_a_cut() -> None:
    assert seal_m(Cut(356, 356, 0, None, None, None, True)) == pytest.approx(1.424)
    assert seal_m(Cut(100, 100, 50, None, None, None, True)) == pytest.approx(math.pi * 0.1)


def fan_template(below: bool = False) -> Any:
    d = planned(cuts=[{"of": "fan:fan", "length_mm": 356, "width_mm": 300, "radius_mm": 20}], spots=spots(fan={"y_m": -0.11}))
    return template_of(next(t for t in roof_things(d) if t.key == "fan:fan"), shape_of(d, body_of(d)), below)


def test_a_template_measures_true_in_dxf() -> None:
    from ezdxf.filemanagement import read

    doc = read(io.StringIO(roof_template.to_dxf(fan_template()).decode()))
    assert doc.units == 4, "mm"
    space = doc.modelspace()
    cut = [e for e in space if e.dxf.layer == "CUT"]
    assert len(cut) == 1 and cut[0].closed
    xs, ys = [p[0] for p in cut[0].get_points()], [p[1] for p in cut[0].get_points()]
    assert max(xs) - min(xs) == pytest.approx(356) and max(ys) - min(ys) == pytest.approx(300)
    bars = [e.get_points() for e in space if e.dxf.layer == "BAR"]
    assert sum(1 for b in bars if math.dist(b[0][:2], b[1][:2]) == pytest.approx(100)) == 2
    assert {e.dxf.layer for e in space} == {"CUT", "CENTRE", "PILOT", "BAR", "TEXT"}, "no rib lies so close"
    assert len([e for e in space if e.dxftype() == "CIRCLE"]) == 6


@pytest.mark.parametrize("size", ["A4", "letter"])
def test_a_template_measures_true_on_paper(size: Any) -> None:
    from pypdf import PdfReader

    from bothy.formats.pdf import render

    t = fan_template()
    cols, rows, _, _ = roof_template.tiles(t, size)
    pdf = PdfReader(io.BytesIO(render(roof_template.to_html(t, size, "Test van"))))
    assert len(pdf.pages) == cols * rows
    w, h = roof_template.PAPERS[size]
    assert float(pdf.pages[0].mediabox.width) == pytest.approx(w * 72 / 25.4, abs=0.6)
    assert float(pdf.pages[0].mediabox.height) == pytest.approx(h * 72 / 25.4, abs=0.6)
    lengths: list[float] = []

    def seen(op: bytes, args: list[Any], cm: list[float], _tm: Any) -> None:
        if op == b"m":
            seen.at = (float(args[0]), float(args[1]))  # type: ignore[attr-defined]
        elif op == b"l" and getattr(seen, "at", None):
            to = (float(args[0]), float(args[1]))
            lengths.append(math.dist(seen.at, to) * math.hypot(cm[0], cm[1]))  # type: ignore[attr-defined]
            seen.at = to  # type: ignore[attr-defined]

    for page in pdf.pages:
        page.extract_text(visitor_operand_before=seen)
    assert any(abs(x - 100 * 72 / 25.4) < 0.3 for x in lengths), sorted(lengths)[-8:]
    text = "".join(p.extract_text() for p in pdf.pages)
    assert "print at 100 %" in text and "100 mm to the left of the centre line" in text.replace("\n", " ")


@pytest.mark.parametrize("y", [-0.62, -0.5, -0.37, -0.21])
def test_a_thin_mast_never_slips_between_the_points(y: float) -> None:
    """A mast of 30 mm and 1.5 m before a panel takes a strip of it in every hour in which a wall of the same height would, wherever it stands."""
    mast = {"id": "mast", "name": "Mast", "kind": "aerial", "length_m": 0.03, "width_m": 0.03, "height_m": 1.5}
    d = planned(1, own=[mast], spots=[{"of": "panel:roof-1", "x_m": 0.1, "y_m": -0.71}, {"of": "roof:mast", "x_m": 1.85, "y_m": y}])
    things = roof_things(d)
    panel = next(t for t in things if t.key == "panel:roof-1")
    assert panel.rect is not None
    (blocker,) = blockers_of(things, panel)
    bearings = np.linspace(-1, 1, 9)
    lit = lit_strips([panel.rect], [[blocker]], np.full(9, 35.0), bearings)
    assert not lit.all(axis=(1, 2)).any(), "a sun from ahead throws its shadow along the panel"


def test_from_below_it_is_mirrored() -> None:
    above, below = fan_template(), fan_template(below=True)
    mirrored = {(s.layer, tuple((round(x, 6), round(-y, 6)) for x, y in s.points)) for s in above.strokes}
    assert mirrored == {(s.layer, tuple((round(x, 6), round(y, 6)) for x, y in s.points)) for s in below.strokes}
    assert "ceiling" in " ".join(below.laid_by)
    assert ">Roof fan<" in roof_template.to_svg(above)


def test_nothing_is_cut_for_what_is_there() -> None:
    d = planned(spots=spots(fan={"kept": True}))
    with pytest.raises(Exception, match="is there already"):
        template_of(next(t for t in roof_things(d) if t.key == "fan:fan"), shape_of(d, body_of(d)))


@settings(deadline=None, max_examples=50)
@given(temp=st.floats(6, 34), rh=st.floats(0.2, 0.95), depth=st.floats(1, 12))
def test_a_cure_in_steady_air_is_the_law_of_the_root(temp: float, rh: float, depth: float) -> None:
    c = CURINGS["ms_sealant"]
    need = needed_h(c, depth)
    got = cure(c, need, [Air(1.0, temp, rh)], hold_last=True)
    assert got.ready_h == pytest.approx(24 * (depth / 3) ** 2 / rate_of(c, temp, rh))
    cut = cure(c, need, [Air(0.25, temp, rh)] * 4, hold_last=True)
    assert cut.ready_h == pytest.approx(got.ready_h)


def test_a_cure_stands_still_in_the_cold_and_counts_the_heat() -> None:
    c = CURINGS["edge_paint"]
    cold = cure(c, 4.0, [Air(3, 12, 0.5), Air(12, 5, 0.5), Air(9, 15, 0.5)])
    assert cold.stalled_h == 12 and cold.stalled_at == pytest.approx(3 * 2**-0.8 / 4)
    hot = cure(c, 4.0, [Air(2, 45, 0.5)])
    assert hot.hot_h == 2 and hot.reached == pytest.approx(2 * 2**1.5), "no faster than at its highest temperature"
    assert cure(c, 4.0, [Air(5, 7.9, 0.5)], hold_last=True).ready_h is None


def test_the_air_of_a_day_keeps_its_vapour() -> None:
    day = day_air(4.0, 14.0, 0.8, 10, 24)
    assert len(day) == 24 and max(a.temp_c for a in day) == pytest.approx(14, abs=0.1) and min(a.temp_c for a in day) == pytest.approx(4, abs=0.1)
    warm, cool = max(day, key=lambda a: a.temp_c), min(day, key=lambda a: a.temp_c)
    assert warm.humidity < 0.8 < cool.humidity <= 0.98
    assert day[5].temp_c == max(a.temp_c for a in day), "warmest about 15 h, five hours after 10 h"


def test_the_solar_proposal_takes_no_more_panels_than_go_beside_what_lies() -> None:
    from bothy.core.catalogue.parts import parts
    from bothy.core.proposing import propose_group

    base = blank(vehicle={"preset": "long_high_van"}, life={"appliances": [{"id": "f", "name": "Fridge", "kind": "cooling", "power_w": 90, "duty_frac": 0.9}]})
    for length in (4.4, 2.2):
        base["fit"] = {"roof": {**FLAT, "x1_m": length}}
        made = next(p for p in propose_group(load_design(base), "solar"))
        array = next(op["value"] for op in made.patch if op["path"] == "/power/arrays")[-1]
        part = parts()[array["part"]]
        room = room_for(load_design(base), part.length_mm / 1000, part.width_mm / 1000)
        assert room is not None and array["series_count"] * array["parallel_count"] <= room
        assert any("beside what lies on the roof" in a for a in made.assumes)


def test_a_panel_that_is_bonded_flat_bends_with_the_roof() -> None:
    """Crown 80 mm on 1.6 m: a radius of 4 m, which the yield of the panel follows; what was entered by hand wins."""
    bent, flat = planned(crown_mm=80), planned(crown_mm=0)
    glue = [{"op": "replace", "path": "/power/arrays/0/mounting", "value": "glued"}]
    one, two = (report(apply_patch(d, glue)) for d in (bent, flat))
    assert one.roof.shape.radius_m == pytest.approx(4.0)
    assert one.figures["power/winter/solar_wh"]["value"] < two.figures["power/winter/solar_wh"]["value"]
    typed = [
        *glue,
        {"op": "replace", "path": "/power/arrays/0/roof_radius_m", "value": 90.0},
        {"op": "replace", "path": "/power/arrays/0/across_m", "value": 0.7},
    ]
    assert report(apply_patch(bent, typed)).figures["power/winter/solar_wh"]["value"] > one.figures["power/winter/solar_wh"]["value"]
