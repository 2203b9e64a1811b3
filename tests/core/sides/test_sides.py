"""Openings of sides, rear and floor: what goes through, each finding where it is so and silent beside it, its remedy, and the template that measures true."""

from __future__ import annotations

import io
from typing import Any

import pytest
from ezdxf.filemanagement import read as read_dxf
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.contract import BadInput
from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.finding import RULES, Finding
from bothy.core.report import report
from bothy.core.sides import rule_table  # noqa: F401  registers the rules
from bothy.core.sides.plan import side_things
from bothy.core.sides.rules import NEVER, _touches, nearest
from bothy.core.sides.worked import side_template
from bothy.formats import roof_template
from tests.designs import blank

WINDOW = {"id": "side", "name": "Side window", "on": "right", "kind": "window", "width_m": 0.5, "height_m": 0.35}
HEATER = {"id": "heater", "name": "Air heater", "kind": "air", "fuel": "diesel", "max_w": 2000, "place": "inside"}
PILLARS = [
    {"id": f"p{n}", "name": f"Pillar {n}", "face": "right", "kind": "pillar", "u0_m": n * 0.8, "u1_m": n * 0.8 + 0.06, "v0_m": 0, "v1_m": 1.9}
    for n in range(1, 5)
]
BOX = {"id": "box", "name": "Tool box", "kind": "luggage", "length_m": 0.4, "width_m": 0.3, "height_m": 0.4, "mass_kg": 12, "hollow": False}


def at(of: str = "window:side", face: str = "right", u: float = 1.2, v: float = 1.15, length: float = 500, height: float = 350, **more: Any) -> dict[str, Any]:
    return {"of": of, "face": face, "u_m": u, "v_m": v, "length_mm": length, "height_mm": height, **more}


def van(*cuts: dict[str, Any], members: list[dict[str, Any]] | None = None, places: list[dict[str, Any]] | None = None, **sides: Any) -> Design:
    """A long van with a window, a heater, a tank and a hook-up; its pillars known; and cuts set out."""
    data = blank(vehicle={"preset": "long_high_van"}, warmth={"openings": [WINDOW], "heaters": [HEATER]})
    whole = {"members": PILLARS if members is None else members, "cuts": list(cuts), "floor_looked": True, **sides}
    data["fit"] = {"own": [BOX], "places": places or [], "sides": whole}
    return load_design(data)


def found(d: Design) -> list[Finding]:
    return [f for f in report(d).findings if f.rule.startswith(("fit-side", "fit-flue"))]


def rules_of(d: Design) -> set[str]:
    return {f.rule for f in found(d)}


def bar(kind: str, u0: float, u1: float, v0: float, v1: float, face: str = "right") -> dict[str, Any]:
    return {"id": "x", "name": "Thing", "face": face, "kind": kind, "u0_m": u0, "u1_m": u1, "v0_m": v0, "v1_m": v1}


FLUE, INTAKE = "flue:heater", "intake:heater"
DOOR = [{"id": "side", "name": "Side door", "side": "right", "x0_m": 2.0, "x1_m": 3.0, "clear_width_m": 1.0, "clear_height_m": 1.7}]
CASES: dict[str, tuple[Design, Design]] = {
    "fit-side-edge": (van(at(u=0.2)), van(at(u=0.26))),
    "fit-side-member": (van(at(u=1.0)), van(at(u=1.2))),
    "fit-side-never": (
        van(at(u=0.5, length=200), members=[bar("belt_anchorage", 0.63, 0.7, 1.0, 1.2)]),
        van(at(u=0.5, length=200), members=[bar("belt_anchorage", 0.66, 0.7, 1.0, 1.2)]),
    ),
    "fit-side-overlap": (
        van(at(), at("hole:a", u=1.2, v=0.93, length=60, height=60), own=[{"id": "a", "name": "Filler", "kind": "filler"}]),
        van(at(), at("hole:a", u=1.2, v=0.8, length=60, height=60), own=[{"id": "a", "name": "Filler", "kind": "filler"}]),
    ),
    "fit-side-behind": (
        van(at(v=0.4), places=[{"of": "own:box", "x_m": 1.0, "y_m": -0.83, "z_m": 0.1}]),
        van(at(v=0.4), places=[{"of": "own:box", "x_m": 1.0, "y_m": -0.4, "z_m": 0.1}]),
    ),
    "fit-side-unseen": (
        van(at(FLUE, "floor", 2.0, 0.3, 40, 40), floor_looked=False),
        van(at(FLUE, "floor", 2.0, 0.3, 40, 40), floor_looked=True),
    ),
    "fit-flue-opening": (
        van(at(FLUE, u=1.9, v=0.5, length=80, height=80), at("hole:a", u=1.9, v=1.0, length=60, height=60), own=[{"id": "a", "name": "Vent", "kind": "vent"}]),
        van(at(FLUE, u=1.9, v=0.5, length=80, height=80), at("hole:a", u=1.9, v=1.08, length=60, height=60), own=[{"id": "a", "name": "Vent", "kind": "vent"}]),
    ),
    "fit-side-thin": (van(at(measured=True, clamp_min_mm=90, clamp_max_mm=120)), van(at(measured=True, clamp_min_mm=20, clamp_max_mm=120))),
    "fit-side-thick": (van(at(measured=True, clamp_min_mm=2, clamp_max_mm=10)), van(at(measured=True, clamp_min_mm=2, clamp_max_mm=120))),
}


@pytest.mark.parametrize("rule", sorted(CASES))
def test_a_finding_is_there_where_it_is_so_and_not_beside_it(rule: str) -> None:
    bad, good = CASES[rule]
    assert rule in rules_of(bad)
    assert rule not in rules_of(good)


def test_a_door_is_cut_whole_or_not_at_all() -> None:
    def doored(u: float) -> set[str]:
        d = van(at(u=u, length=400, height=300), members=[])
        data = d.model_dump(mode="json")
        data["fit"]["body"]["doors"] = DOOR
        return rules_of(load_design(data))

    assert "fit-side-door" in doored(2.05)
    assert "fit-side-door" not in doored(2.5), "wholly in the door"
    assert "fit-side-door" not in doored(1.75), "wholly beside it"


def test_every_rule_of_the_table_is_tried() -> None:
    mine = {k for k in RULES if (k.startswith("fit-side-") and k != "fit-side-imbalance") or k == "fit-flue-opening"}
    assert mine == set(CASES) | {"fit-side-door", "fit-side-run"}


@pytest.mark.parametrize("rule", ["fit-side-member", "fit-side-edge", "fit-side-never", "fit-side-overlap", "fit-flue-opening"])
def test_its_remedy_ends_it_and_brings_no_other(rule: str) -> None:
    bad = CASES[rule][0]
    f = next(f for f in found(bad) if f.rule == rule)
    assert f.fix is not None
    after = apply_patch(bad, f.fix.patch)
    assert not [x for x in found(after) if x.severity in ("danger", "fault")]


def test_a_frame_carries_a_pillar_but_never_what_must_not_be_cut() -> None:
    assert "fit-side-member" not in rules_of(van(at(u=1.0, framed=True)))
    for kind in NEVER:
        assert "fit-side-never" in rules_of(van(at(framed=True), members=[bar(kind, 1.1, 1.15, 1.0, 1.2)])), kind


def test_what_is_there_already_is_not_cut() -> None:
    assert not rules_of(van(at(u=1.0, kept=True)))
    with pytest.raises(BadInput, match="there already"):
        side_template(van(at(kept=True)), "window:side")


def test_an_exhaust_and_its_own_air_are_their_makers() -> None:
    near = [at(FLUE, "floor", 2.0, 0.3, 40, 40), at(INTAKE, "floor", 2.1, 0.3, 30, 30)]
    assert "fit-flue-opening" not in rules_of(van(*near))
    drop = van(near[0], at("hole:d", "floor", 2.2, 0.3, 60, 60), own=[{"id": "d", "name": "Drop vent", "kind": "drop_vent"}])
    f = next(f for f in found(drop) if f.rule == "fit-flue-opening")
    assert "the exhaust lights it" in f.message and f.severity == "danger"


def test_a_run_behind_the_wall_is_seen_and_moved_from() -> None:
    """Curlew's ways lie in its walls: a hole on one of them is found, and its remedy lies clear."""
    from bothy.demo import curlew

    d = curlew.design()
    wall = next(w for w in report(d).fit.walls if w.id == "right" and w.rows)
    row = next(r for r in wall.rows if not r.turns)
    u, v = (row.enters[0] + row.leaves[0]) / 2, (row.enters[1] + row.leaves[1]) / 2
    own = [{"op": "add", "path": "/fit/sides/own/-", "value": {"id": "new", "name": "New hole", "kind": "cable"}}]
    cut = {"op": "add", "path": "/fit/sides/cuts/-", "value": at("hole:new", "right", round(u, 3), round(v, 3), 30, 30)}
    bad = apply_patch(d, [*own, cut])
    f = next(f for f in found(bad) if f.rule == "fit-side-run" and f.subject == "hole:new")
    assert row.run in f.related and f.fix is not None
    assert "hole:new" not in {x.subject for x in found(apply_patch(bad, f.fix.patch)) if x.severity in ("danger", "fault")}


@given(st.floats(-2, 2), st.floats(-2, 2), st.floats(-2, 2), st.floats(-2, 2))
def test_a_line_touches_a_rectangle_as_its_points_say(ax: float, ay: float, bx: float, by: float) -> None:
    from bothy.core.roof.pack import Rect

    r = Rect(-0.5, 0.5, -0.3, 0.3)
    inside = any(r.x0 <= ax + t * (bx - ax) <= r.x1 and r.y0 <= ay + t * (by - ay) <= r.y1 for t in (k / 200 for k in range(201)))
    if inside:
        assert _touches(r, [ax, ay], [bx, by])
    assert _touches(r, [ax, ay], [bx, by]) == _touches(r, [bx, by], [ax, ay])


@given(
    st.floats(-1, 5),
    st.lists(st.tuples(st.floats(-1, 5), st.floats(0, 2)).map(lambda x: (x[0], x[0] + x[1])), max_size=8),
)
def test_the_nearest_free_place_is_the_one_a_look_at_each_would_find(u: float, barred: list[tuple[float, float]]) -> None:
    low, high = 0.0, 4.0
    got = nearest(u, low, high, barred)
    free = [x for x in (low + (high - low) * k / 2000 for k in range(2001)) if not any(a < x < b for a, b in barred)]
    if got is None:
        assert not free
        return
    assert low <= got <= high and not any(a < got < b for a, b in barred)
    if free:
        assert abs(got - u) <= min(abs(x - u) for x in free) + 1e-9


def test_what_goes_through_comes_from_the_other_stages() -> None:
    keys = {t.key: t for t in side_things(van())}
    assert {"window:side", FLUE, INTAKE, "fuel:heater"} <= set(keys)
    assert keys[FLUE].face == "floor" and keys["window:side"].face == "right"
    assert keys["window:side"].size[:2] == (500, 350)
    gas = van().model_dump(mode="json")
    gas["warmth"]["heaters"][0]["fuel"] = "propane"
    things = {t.key: t for t in side_things(load_design(gas))}
    assert things[FLUE].face in ("left", "right") and INTAKE not in things
    outside = van().model_dump(mode="json")
    outside["warmth"]["heaters"][0]["place"] = "underfloor"
    assert FLUE not in {t.key for t in side_things(load_design(outside))}


def test_a_drop_vent_that_is_proposed_keeps_from_an_exhaust_that_is_set_out() -> None:
    """Both go through the floor, the vent beside the bottle and the exhaust right there: it begins half a metre off."""
    own = [{"id": "drop", "name": "Drop vent", "kind": "drop_vent"}]
    d = van(at(FLUE, "floor", 2.0, 0.0, 40, 40, radius_mm=20), own=own)
    t = next(x for x in report(d).sides.things if x.key == "hole:drop")
    laid = apply_patch(d, [{"op": "add", "path": "/fit/sides/cuts/-", "value": at("hole:drop", "floor", t.u_m, t.v_m, 60, 60, radius_mm=30)}])
    assert "fit-flue-opening" not in rules_of(laid)
    near = apply_patch(d, [{"op": "add", "path": "/fit/sides/cuts/-", "value": at("hole:drop", "floor", 2.2, 0.0, 60, 60, radius_mm=30)}])
    f = next(f for f in found(near) if f.rule == "fit-flue-opening")
    assert f.fix is not None and "fit-flue-opening" not in rules_of(apply_patch(near, f.fix.patch))


@settings(max_examples=25, deadline=None)
@given(
    st.sampled_from(["small_van", "panel_van", "long_high_van", "bus", "truck_body", "trailer", "truck_camper", "boat", "minibus"]),
    st.sampled_from(["uk", "us", "eu", "au"]),
)
def test_what_is_proposed_breaks_nothing(preset: str, region: str) -> None:
    """Where each opening could begin raises no danger and no problem, in every kind of vehicle."""
    data = van().model_dump(mode="json")
    data["vehicle"]["preset"], data["region"] = preset, region
    data["fit"]["sides"]["members"] = None
    d = load_design(data)
    part = report(d).sides
    cuts = [at(t.key, t.face, t.u_m, t.v_m, t.length_mm, t.height_mm, radius_mm=min(t.radius_mm, t.length_mm / 2, t.height_mm / 2)) for t in part.things]
    laid = apply_patch(d, [{"op": "replace", "path": "/fit/sides/cuts", "value": cuts}])
    assert report(laid).sides.set_out == len(part.things)
    assert not [(f.rule, f.message) for f in found(laid) if f.severity in ("danger", "fault")]


def test_pillars_nobody_measured_stand_under_the_ribs_and_not_in_a_door() -> None:
    data = van().model_dump(mode="json")
    data["fit"]["sides"]["members"] = None
    faces = {f.id: f for f in report(load_design(data)).sides.faces}
    assert faces["left"].bars and all(b.assumed for b in faces["left"].bars)
    assert not faces["floor"].bars and not faces["rear"].bars
    for f in faces.values():
        for d in f.doors:
            assert not [b for b in f.bars if b.rect[0] < d.rect[1] and b.rect[1] > d.rect[0]]


# --- the template


def read(d: Design, of: str, mirrored: bool = False) -> tuple[Any, Any]:
    t = side_template(d, of, mirrored)
    return t, read_dxf(io.StringIO(roof_template.to_dxf(t).decode()))


@pytest.mark.parametrize("mirrored", [False, True])
def test_a_template_measures_true_and_is_laid_by_two_numbers(mirrored: bool) -> None:
    t, doc = read(van(at(radius_mm=30)), "window:side", mirrored)
    cut = next(e for e in doc.modelspace() if e.dxf.layer == "CUT")
    xs, ys = zip(*[(p[0], p[1]) for p in cut.get_points()], strict=True)
    assert max(xs) - min(xs) == pytest.approx(500)
    assert max(ys) - min(ys) == pytest.approx(350)
    bar_ = [e for e in doc.modelspace() if e.dxf.layer == "BAR"]
    assert any(max(p[0] for p in e.get_points()) - min(p[0] for p in e.get_points()) == pytest.approx(100) for e in bar_)
    assert t.laid_by[0] == "The middle lies 1150 mm above the finished floor."
    # the front edge at 1.45 m, pillar 2 from 1.60 m: 150 mm; the rear edge at 0.95 m, pillar 1 up to 0.86 m: 90 mm, which is nearer
    assert t.laid_by[1] == "From its edge to the edge of pillar 1: 90 mm."
    assert t.laid_by[2] == ("Seen from inside, mirrored." if mirrored else "Seen from outside.")


def test_the_left_side_has_its_front_on_the_left() -> None:
    """The nearer pillar, 90 mm behind the cut, is drawn on the right of a left side seen from outside, and on the left of it from inside."""
    members = [{**PILLARS[0], "face": "left"}]
    d = van(at("hole:w", "left", u=1.05, length=260, height=200), members=members, own=[{"id": "w", "name": "Window", "kind": "window"}])

    def ribs(mirrored: bool) -> list[float]:
        return [s.points[0][0] for s in side_template(d, "hole:w", mirrored).strokes if s.layer == "RIB"]

    # the cut begins at 0.92 m, the pillar ends at 0.86 m: its edge lies 190 mm from the middle of the cut
    assert ribs(False) == pytest.approx([190])
    assert ribs(True) == pytest.approx([-190])
    right = van(at("hole:w", "right", u=1.05, length=260, height=200), own=[{"id": "w", "name": "Window", "kind": "window"}])
    assert [s.points[0][0] for s in side_template(right, "hole:w").strokes if s.layer == "RIB"] == pytest.approx([-190])


def test_a_hole_in_the_floor_is_laid_from_the_centre_line_and_the_rear() -> None:
    t, _ = read(van(at(FLUE, "floor", 2.0, -0.3, 40, 40, radius_mm=20)), FLUE)
    assert t.laid_by[0] == "The middle lies 300 mm to the right of the centre line."
    assert t.laid_by[1] == "The middle lies 2000 mm ahead of the rear-most inside face."
    assert "Nominal" in t.laid_by[-1]


def test_what_has_no_template_is_named() -> None:
    with pytest.raises(BadInput, match="isn’t set out"):
        side_template(van(), "window:side")
    with pytest.raises(BadInput, match="window:moon"):
        side_template(van(), "window:moon")


@pytest.mark.parametrize(
    ("fields", "key"),
    [
        ({"members": [{**PILLARS[0], "u1_m": 0.1}]}, "u1_m"),
        ({"cuts": [at(), at()]}, "of"),
        ({"cuts": [at(radius_mm=300)]}, "radius_mm"),
        ({"cuts": [at(clamp_min_mm=40, clamp_max_mm=30)]}, "clamp_max_mm"),
        ({"cuts": [at(length=-5)]}, "length_mm"),
        ({"cuts": [at("moon")]}, "of"),
    ],
)
def test_what_can_not_be_is_refused_with_its_field(fields: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as refused:
        data = van().model_dump(mode="json")
        data["fit"]["sides"] |= fields
        load_design(data)
    assert key in str(refused.value.key)
