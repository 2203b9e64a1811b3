"""Findings of the roof: each said where it is so, and silent beside it; its remedy ends it."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.finding import RULES, Finding
from bothy.core.report import report
from bothy.core.roof import rule_table  # noqa: F401  registers the rules
from bothy.core.roof.lay_out import lay_out
from tests.designs import MPPT, PANELS, blank

RIBS = [{"id": f"rib-{n + 1}", "x0_m": 0.5 + n, "x1_m": 0.54 + n, "height_mm": 12} for n in range(4)]
FLAT = {"x0_m": 0.0, "x1_m": 4.4, "width_m": 1.6, "crown_mm": 0, "skin_mm": 0.8, "lining_mm": 30, "ribs": RIBS}
FAN = {"id": "fan", "name": "Roof fan", "kind": "fan", "zone": "roof", "power_w": 30, "hours_per_day": 4}


def planned(count: int = 2, **roof: Any) -> Design:
    """A van with two panels 1.6 by 1.0 m and a fan, laid out well, and what is changed of its roof."""
    data = blank(
        vehicle={"preset": "long_high_van"},
        life={"appliances": [FAN]},
        power={"arrays": [{**PANELS, "series_count": 1, "parallel_count": count}], "controller": MPPT},
    )
    sizes = [{"of": "panel:roof", "length_m": 1.6, "width_m": 0.7, "height_m": 0.035}]
    whole = {**FLAT, "spots": spots()} | roof
    data["fit"] = {"sizes": sizes, "roof": whole}
    return load_design(data)


def spots(**changed: Any) -> list[dict[str, Any]]:
    """Spots of the two panels and the fan; a name with its changed fields."""
    base = {
        "a": {"of": "panel:roof-1", "x_m": 0.1, "y_m": -0.71, "front_closed": True},
        "b": {"of": "panel:roof-2", "x_m": 0.1, "y_m": 0.01, "front_closed": True},
        "fan": {"of": "fan:fan", "x_m": 3.65, "y_m": -0.21},
    }
    for name, fields in changed.items():
        base[name] = {**base.get(name, {}), **fields}
    return list(base.values())


def cut(**fields: Any) -> list[dict[str, Any]]:
    return [{"of": "fan:fan", "length_mm": 356, "width_mm": 356, "radius_mm": 20, **fields}]


def below(kind: str, x0: float) -> list[dict[str, Any]]:
    return [{"id": "x", "name": "Thing below", "kind": kind, "x0_m": x0, "x1_m": x0 + 0.02, "y0_m": -0.8, "y1_m": 0.8}]


GLAND = {"id": "gland", "name": "Gland", "kind": "gland", "length_m": 0.1, "width_m": 0.08}
BOX = {"id": "box", "name": "Box", "kind": "box", "length_m": 1.2, "width_m": 0.7, "height_m": 0.5, "mass_kg": 20}


def lifting(x_m: float) -> Design:
    """The plan with a lifting roof of 3 m that begins there; its seam is free for 15 mm on each side."""
    return apply_patch(planned(), [{"op": "replace", "path": "/warmth/pop_top", "value": {"length_m": 3.0, "width_m": 1.55, "height_m": 0.6, "x_m": x_m}}])


def foreseen(rain: float) -> Design:
    """Bonded on a mild day of the forecast with so likely a rain, and a dry day two days later."""
    d = planned(**bond(day="2027-06-01"))
    days = [{"day": f"2027-06-0{n}", "low_c": 12, "high_c": 19, "rain_frac": w} for n, w in ((1, rain), (2, 0.9), (3, 0.1))]
    return apply_patch(d, [{"op": "replace", "path": "/build/coming", "value": days}])


def bond(**fields: Any) -> dict[str, Any]:
    return {"bonding": fields}


# the hole of the fan reaches 178 mm from its middle, at x 3.86: from 3.682 to 4.038
CASES: dict[str, tuple[Design, Design]] = {
    "fit-roof-overlap": (planned(spots=spots(b={"y_m": 0.008})), planned(spots=spots(b={"y_m": 0.01}))),
    "fit-roof-edge": (planned(spots=spots(a={"x_m": 0.049})), planned(spots=spots(a={"x_m": 0.05}))),
    "fit-roof-seam": (lifting(0.086), lifting(0.085)),
    "fit-roof-rib-cut": (planned(spots=spots(fan={"x_m": 3.50})), planned(spots=spots(fan={"x_m": 3.509}))),
    "fit-roof-below": (planned(below=below("loom", 4.087)), planned(below=below("loom", 4.089))),
    "fit-roof-walkway": (
        planned(3, width_m=2.4, spots=[*spots(a={"y_m": -1.1}, b={"y_m": -0.38}), {"of": "panel:roof-3", "x_m": 0.1, "y_m": 0.34, "front_closed": True}]),
        planned(3, width_m=2.4, spots=[*spots(a={"y_m": -1.1}, b={"y_m": -0.38}), {"of": "panel:roof-3", "x_m": 1.75, "y_m": 0.34, "front_closed": True}]),
    ),
    "fit-panel-shaded": (planned(spots=spots(fan={"x_m": 1.76, "y_m": -0.21})), planned()),
    "fit-panel-airgap": (planned(spots=spots(a={"gap_m": 0.019})), planned(spots=spots(a={"gap_m": 0.02}))),
    "fit-gland-place": (
        planned(own=[GLAND], spots=spots(g={"of": "roof:gland", "x_m": 2.01, "y_m": 0.0})),
        planned(own=[GLAND], spots=spots(g={"of": "roof:gland", "x_m": 2.0, "y_m": 0.0})),
    ),
    "fit-gasket-trim": (
        planned(cuts=cut(gasket_mm=30, clamp_min_mm=2, clamp_max_mm=60), spots=spots(fan={"x_m": 3.519})),
        planned(cuts=cut(gasket_mm=30, clamp_min_mm=2, clamp_max_mm=60), spots=spots(fan={"x_m": 3.545})),
    ),
    "fit-rib-too-high": (
        planned(cuts=cut(gasket_mm=25, clamp_min_mm=2, clamp_max_mm=60), spots=spots(fan={"x_m": 3.519})),
        planned(cuts=cut(gasket_mm=27, clamp_min_mm=2, clamp_max_mm=60), spots=spots(fan={"x_m": 3.519})),
    ),
    "fit-clamp-packing": (planned(cuts=cut(clamp_min_mm=31, clamp_max_mm=60)), planned(cuts=cut(clamp_min_mm=30.8, clamp_max_mm=60))),
    "fit-clamp-too-thick": (planned(cuts=cut(clamp_min_mm=2, clamp_max_mm=30.7)), planned(cuts=cut(clamp_min_mm=2, clamp_max_mm=30.8))),
    "fit-bond-area-short": (planned(spots=spots(a={"held": "corner_feet", "front_closed": False, "bead_m": 0.4})), planned()),
    "fit-roof-bolts-weak": (
        planned(spots=spots(a={"held": "bolts", "bolts": 2}), bonding={"speed_kmh": 200, "headwind_m_s": 40}),
        planned(spots=spots(a={"held": "bolts", "bolts": 8}), bonding={"speed_kmh": 200, "headwind_m_s": 40}),
    ),
    "fit-bond-too-thin": (planned(**bond(bead_thickness_mm=1.9)), planned(**bond(bead_thickness_mm=2))),
    "fit-bond-surface": (planned(**bond(surface="rust")), planned(**bond(surface="bare_primed"))),
    "fit-bond-leading-edge": (planned(spots=spots(a={"front_closed": False})), planned()),
    "fit-cure-too-cold": (planned(**bond(temp_c=4.9)), planned(**bond(temp_c=5.0))),
    "fit-cure-too-hot": (planned(**bond(temp_c=35.1)), planned(**bond(temp_c=35.0))),
    "fit-cure-too-wet": (foreseen(0.5), foreseen(0.49)),
    "fit-cure-path-long": (planned(**bond(bead_width_mm=30.5)), planned(**bond(bead_width_mm=30))),
    # at 23 °C and 50 % 6 mm take 96 h: from the 1st at 10 h to the 5th at 10 h; a day's drive begins at 8 h
    "fit-drive-before-cure": (
        planned(**bond(temp_c=23.0, humidity_frac=0.5, day="2027-06-01", drive_day="2027-06-05")),
        planned(**bond(temp_c=23.0, humidity_frac=0.5, day="2027-06-01", drive_day="2027-06-06")),
    ),
}


def found(d: Design) -> dict[str, Finding]:
    return {f.rule: f for f in report(d).findings if f.stage == "fit"}


def test_every_rule_of_the_roof_is_tried_here() -> None:
    mine = {
        r for r in RULES if r.startswith(("fit-roof-", "fit-panel-", "fit-gland", "fit-gasket", "fit-rib-", "fit-clamp", "fit-bond", "fit-cure", "fit-drive"))
    }
    assert mine - {"fit-roof-load"} == set(CASES)


@pytest.mark.parametrize("rule", list(CASES))
def test_the_rule_speaks_and_beside_it_is_silent(rule: str) -> None:
    bad, good = CASES[rule]
    there = found(bad)
    assert rule in there, sorted(there)
    f = there[rule]
    assert f.message.endswith(".") and f.remedy
    beside = found(good)
    assert rule not in beside, beside[rule].message


@pytest.mark.parametrize("rule", [r for r, (bad, _) in CASES.items() if (f := found(bad).get(r)) is not None and f.fix is not None])
def test_its_remedy_ends_it(rule: str) -> None:
    bad, _ = CASES[rule]
    f = found(bad)[rule]
    assert f.fix is not None
    after = found(apply_patch(bad, f.fix.patch))
    assert rule not in after or after[rule].subject != f.subject
    worse = {r for r, g in after.items() if g.severity in ("danger", "fault")} - {r for r, g in found(bad).items() if g.severity in ("danger", "fault")}
    assert not worse


def test_what_only_seals_holds_nothing() -> None:
    f = found(planned(**bond(adhesive="silicone")))["fit-bond-area-short"]
    assert f.severity == "danger" and "seals" in f.message


def test_a_proposal_lays_nothing_across_the_seam_of_a_lifting_roof() -> None:
    bare = apply_patch(lifting(1.0), [{"op": "replace", "path": "/fit/roof/spots", "value": []}])
    laid = lay_out(bare)
    assert laid.spots
    assert "fit-roof-seam" not in found(apply_patch(bare, laid.patch(bare)))


def test_a_rib_that_is_framed_may_be_cut_and_what_is_there_is_not_cut_again() -> None:
    for fields in ({"framed": True}, {"kept": True}):
        assert "fit-roof-rib-cut" not in found(planned(spots=spots(fan={"x_m": 3.4, **fields})))


def test_millimetres_are_said() -> None:
    f = found(planned(spots=spots(a={"x_m": 0.02})))["fit-roof-edge"]
    assert "30 mm too far to the rear" in f.message
    f = found(planned(spots=spots(fan={"x_m": 3.30})))["fit-roof-rib-cut"]
    assert "rib 4 (40 mm)" in f.message


def test_the_first_drive_after_a_bond_at_eight_degrees() -> None:
    """6 mm at 8 °C and 70 %: 24·(6/3)²/f with f = 0.7·p_s(8)/(0.5·p_s(23)), by hand 0.5347 → 179.4 h."""
    r = report(planned(**bond(temp_c=8.0, humidity_frac=0.7)))
    assert r.roof.cure.drive_h == pytest.approx(179.4, abs=0.3)
    assert r.figures["roof/cure/drive_h"]["value"] == r.roof.cure.drive_h


@pytest.mark.parametrize(
    ("path", "value", "key"),
    [
        ("spots", [{"of": "panel:roof-1", "x_m": 0, "y_m": 0}, {"of": "panel:roof-1", "x_m": 1, "y_m": 0}], "of"),
        ("crown_mm", 900, "crown_mm"),
        ("x1_m", 0.1, "x1_m"),
        ("bonding", {"bead_width_mm": -3}, "bead_width_mm"),
        ("bonding", {"day": "soon"}, "day"),
        ("cuts", [{"of": "fan:fan", "length_mm": 300, "width_mm": 300, "radius_mm": 200}], "radius_mm"),
        ("cuts", [{"of": "fan:fan", "length_mm": 300, "width_mm": 300, "clamp_min_mm": 50, "clamp_max_mm": 40}], "clamp_max_mm"),
        ("below", [{"id": "x", "x0_m": 1, "x1_m": 0.5, "y0_m": 0, "y1_m": 1}], "x1_m"),
        ("ribs", [{"id": "x", "x0_m": 1, "x1_m": 1}], "x1_m"),
    ],
)
def test_bad_input_names_its_field(path: str, value: Any, key: str) -> None:
    with pytest.raises(Exception, match=key):
        planned(**{path: value})


def test_a_panel_larger_than_the_roof_is_found() -> None:
    d = planned(x1_m=1.2, spots=[{"of": "panel:roof-1", "x_m": 0.1, "y_m": -0.7}])
    f = found(d)["fit-roof-edge"]
    assert "mm too far to the front" in f.message and f.fix is None


def test_nothing_on_the_roof_says_nothing_of_it() -> None:
    assert not [r for r in found(planned(spots=[])) if r in CASES]


def test_the_next_dry_day_of_the_forecast_is_said() -> None:
    assert "3 June is the next dry day" in found(foreseen(0.8))["fit-cure-too-wet"].message
    wet = apply_patch(foreseen(0.8), [{"op": "replace", "path": "/build/coming/2/rain_frac", "value": 0.7}])
    assert "no day of the forecast after it" in found(wet)["fit-cure-too-wet"].message
    hall = apply_patch(foreseen(0.8), [{"op": "replace", "path": "/fit/roof/bonding/temp_c", "value": 20}])
    assert "fit-cure-too-wet" not in found(hall), "under a roof it rains on nobody"
    july = planned(**bond(temp_c=38.0))
    assert "takes at most 35 °C" in found(july)["fit-cure-too-hot"].message


@pytest.mark.parametrize(("bolts", "told"), [(1, True), (3, True), (4, False), (0, False)])
def test_a_panel_wants_a_bolt_at_each_corner(bolts: int, told: bool) -> None:
    bad = planned(spots=spots(a={"held": "bolts", "bolts": bolts}))
    f = found(bad).get("fit-roof-bolts-weak")
    assert (f is not None) == told
    if f is not None and f.fix is not None:
        assert "fit-roof-bolts-weak" not in found(apply_patch(bad, f.fix.patch))
