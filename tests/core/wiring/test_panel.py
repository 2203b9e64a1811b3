"""The switch panel: what is proposed passes the checks, findings name the thing, and the files for saw and engraver measure true."""

from __future__ import annotations

import io
import re
from typing import Any

import ezdxf
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.design.edit import apply_patch
from bothy.core.design.panel import PanelThing
from bothy.core.proposing import accept
from bothy.core.report import report
from bothy.core.wiring.panel import edge_distance, gap
from bothy.core.wiring.panel_design import GAP_MM, MARGIN_MM, SHAPES, arrange, engraved, item_of
from bothy.demo import curlew
from bothy.formats.panel import to_dxf, to_svg
from tests.core.test_rules import fed
from tests.designs import circuit, made, reported

KINDS = sorted(SHAPES)


def plated(*things: dict[str, Any], **plate: Any) -> dict[str, Any]:
    """A fed lamp circuit and a plate with things on it."""
    data = fed(circuit())
    data["wiring"]["panel"] = {"width_mm": 200.0, "height_mm": 100.0, "things": list(things), **plate}
    return data


def thing(id: str = "t", kind: str = "rocker", x: float = 60.0, y: float = 50.0, **more: Any) -> dict[str, Any]:
    return {"id": id, "kind": kind, "label": id, "circuit": "c1", "x_mm": x, "y_mm": y, **more}


@settings(max_examples=60)
@given(st.lists(st.sampled_from(KINDS), min_size=1, max_size=25), st.floats(130, 500))
def test_what_the_program_arranges_keeps_its_edges_and_gaps(kinds: list[Any], width: float) -> None:
    places, height = arrange(kinds, width)
    items = [item_of(PanelThing(id=f"t{i}", kind=k, x_mm=x, y_mm=y), None) for i, (k, (x, y)) in enumerate(zip(kinds, places, strict=True))]
    assert min(edge_distance(i, width, height) for i in items) >= MARGIN_MM - 0.06
    assert all(gap(a, b) >= GAP_MM - 0.06 for n, a in enumerate(items) for b in items[n + 1 :])


def test_the_proposed_plate_has_a_switch_for_each_switched_circuit_and_passes() -> None:
    design = curlew.design()
    panel, r = design.wiring.panel, report(design)
    assert panel is not None
    assert r.wiring.panel is not None
    assert r.wiring.panel.ok
    assert not [f for f in r.findings if f.rule.startswith(("wire-panel", "wire-switch"))]
    bound = [t.circuit for t in panel.things if t.circuit]
    assert len(bound) == len(set(bound)) >= 12
    assert "alarms-and-monitor" not in bound, "an alarm is not switched off"
    assert {t.kind for t in panel.things if t.circuit and t.circuit.startswith("lights")} == {"dimmer"}
    assert {t.kind for t in panel.things if t.circuit == "fans"} == {"fan_control"}


@pytest.mark.parametrize(
    ("things", "plate", "rule", "words"),
    [
        ([thing(x=5.0)], {}, "wire-panel-clash", "over the edge"),
        ([thing(x=20.0)], {}, "wire-panel-clash", "8.0 mm from the edge"),
        ([thing("a"), thing("b", x=70.0)], {}, "wire-panel-clash", "a and b overlap"),
        ([thing("a"), thing("b", x=86.0)], {}, "wire-panel-clash", "2.0 mm apart"),
        ([thing()], {"depth_mm": 40.0}, "wire-panel-clash", "20 mm more behind"),
        ([thing(rating_a=0.5)], {}, "wire-switch-overload", "carries 1.1 A"),
        ([thing(rating_a=1.2)], {}, "wire-switch-margin", "carries 1.1 A"),
        ([thing(circuit=None)], {}, "wire-panel-unbound", "No circuit"),
    ],
)
def test_what_is_wrong_on_the_plate_is_found_by_name(things: list[dict[str, Any]], plate: dict[str, Any], rule: str, words: str) -> None:
    mine = [f for f in reported(plated(*things, **plate)).findings if f.rule == rule]
    assert mine
    assert words in mine[0].message
    assert mine[0].subject == f"panel:{things[0]['id']}"


def test_one_press_arranges_a_plate_that_clashes_and_makes_it_higher_where_it_must() -> None:
    data = plated(*[thing(f"t{i}", x=40.0 + i, y=30.0) for i in range(12)], width_mm=150.0, height_mm=60.0)
    f = next(f for f in reported(data).findings if f.rule == "wire-panel-clash" and f.fix)
    assert f.fix is not None
    after = report(apply_patch(made(data), f.fix.patch))
    assert after.wiring.panel is not None
    assert after.wiring.panel.ok
    assert after.wiring.panel.height_mm > 60
    assert not [x for x in after.findings if x.rule == "wire-panel-clash"]


def test_a_plate_narrower_than_its_widest_thing_is_found_and_not_arranged() -> None:
    fs = [f for f in reported(plated(thing("d", "display", x=50.0), width_mm=90.0)).findings if f.rule == "wire-panel-clash"]
    assert fs
    assert all(f.fix is None for f in fs)


@pytest.mark.parametrize(("change", "key"), [(thing(circuit="nowhere"), "circuit"), (thing(kind="lever"), "kind"), (thing(x=-3.0), "x_mm")])
def test_a_thing_that_cannot_be_is_refused(change: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as error:
        made(plated(change))
    assert error.value.key == key


def test_the_same_id_twice_is_refused() -> None:
    with pytest.raises(BadInput, match="used twice"):
        made(plated(thing("a"), thing("a", x=120.0)))


def test_an_empty_plate_is_no_fault() -> None:
    r = reported(plated())
    assert r.wiring.panel is not None
    assert (r.wiring.panel.ok, r.wiring.panel.smallest_edge_mm, r.wiring.panel.shapes) == (True, None, [])


def test_taking_the_panel_is_offered_once_and_never_over_a_typed_one() -> None:
    design, taken = accept(made(fed(circuit())), groups=["panel"])
    assert taken == ["panel"]
    assert accept(design, groups=["panel"])[1] == []
    assert accept(made(plated(thing())), groups=["panel"])[1] == []


@pytest.mark.parametrize(("label", "lines"), [("", []), ("Pump", ["Pump"]), ("Electronics, living and cab", ["Electronics,", "living and cab"])])
def test_labels_are_engraved_in_two_lines_that_keep_to_their_room(label: str, lines: list[str]) -> None:
    assert engraved(label, 29.0) == lines
    assert len(engraved("a very long label indeed for a switch on a plate", 29.0)) == 2


def test_the_drawing_for_the_saw_measures_true_when_it_is_read_back() -> None:
    part = reported(plated(thing("lamp", x=60.0, y=50.0), thing("volts", "voltmeter", x=120.0, y=50.0, circuit=None))).wiring.panel
    assert part is not None
    doc = ezdxf.read(io.StringIO(to_dxf(part).decode()))  # type: ignore[attr-defined]
    assert doc.units == 4, "millimetres"
    cut = [e for e in doc.modelspace() if e.dxf.layer == "CUT"]
    circles = [(e.dxf.center.x, e.dxf.center.y, e.dxf.radius) for e in cut if e.dxftype() == "CIRCLE"]
    assert circles == [(120.0, 50.0, 14.5)]
    boxes = []
    for e in cut:
        if e.dxftype() == "LWPOLYLINE":
            xs, ys = [p[0] for p in e.get_points()], [p[1] for p in e.get_points()]
            assert e.closed
            boxes.append((min(xs), min(ys), max(xs) - min(xs), max(ys) - min(ys)))
    assert boxes == [(0, 0, 200, 100), (49.5, 31.5, 21, 37)]
    assert [e.dxf.text for e in doc.modelspace() if e.dxf.layer == "ENGRAVE"] == ["lamp", "volts"]


def test_the_svg_is_one_to_one_with_layers_to_cut_and_to_engrave_and_takes_any_text() -> None:
    part = reported(plated(thing("a", label="<b>&"))).wiring.panel
    assert part is not None
    svg = to_svg(part, "Plate")
    assert "width='200mm' height='100mm' viewBox='0 0 200 100'" in svg
    cut = svg.split("id='cut'")[1].split("</g>")[0]
    assert re.findall(r"<rect [^>]*width='21' height='37'", cut)
    assert "&lt;b&gt;&amp;" in svg.split("id='engrave'")[1].split("</g>")[0]
