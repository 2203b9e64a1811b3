"""The roof's sums: packing against every packing there is, shadows against samples, wind, bonds and cure by their limits."""

from __future__ import annotations

import itertools
import math
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.contract import BadInput
from bothy.core.roof.cure import moisture_factor
from bothy.core.roof.pack import Kind, Rect, packed, spots
from bothy.core.roof.sun_shadow import area_within, shadow_hull

ROOF = Rect(0.0, 1.6, 0.0, 1.0)


def apart(a: Rect, b: Rect, gap: float) -> bool:
    return a.x1 + gap <= b.x0 + 1e-6 or b.x1 + gap <= a.x0 + 1e-6 or a.y1 + gap <= b.y0 + 1e-6 or b.y1 + gap <= a.y0 + 1e-6


def brute(places: list[Any], gap: float, weight: Any) -> float:
    """The best of all sets of positions that don't touch."""
    best = 0.0
    for n in range(1, 6):
        any_ = False
        for chosen in itertools.combinations(places, n):
            if all(apart(a.rect, b.rect, gap) for a, b in itertools.combinations(chosen, 2)):
                any_ = True
                best = max(best, sum(weight(s) for s in chosen))
        if not any_:
            break
    return best


@settings(deadline=None, max_examples=25)
@given(
    st.lists(st.tuples(st.sampled_from([0.5, 0.7, 0.9]), st.sampled_from([0.4, 0.5]), st.sampled_from([50, 120])), min_size=1, max_size=2, unique=True),
    st.sampled_from([(), (Rect(0.6, 0.9, 0.3, 0.6),)]),
    st.sampled_from(["count", "power"]),
)
def test_packing_is_the_best_of_all(kinds: list[Any], blocked: tuple[Rect, ...], objective: str) -> None:
    made = [Kind(f"k{i}", a, b, w) for i, (a, b, w) in enumerate(kinds)]
    places = spots(ROOF, made, blocked, 0.02)
    if len(places) > 26:
        return  # too many sets to try them all
    best, _ = packed(ROOF, made, blocked, 0.02, objective)
    assert all(apart(a.rect, b.rect, 0.02) for a, b in itertools.combinations(best.chosen, 2))
    assert all(apart(s.rect, b, 0.0) for s in best.chosen for b in blocked)
    if objective == "count":
        assert len(best.chosen) == brute(places, 0.02, lambda _: 1)
    else:
        assert sum(made[s.panel].power for s in best.chosen) == brute(places, 0.02, lambda s: made[s.panel].power)
    assert best.proven


def test_a_limit_of_panels_is_kept_and_an_early_end_says_its_bound() -> None:
    kinds = [Kind("big", 0.7, 0.45, 200, most=1), Kind("small", 0.5, 0.3, 60)]
    best, _ = packed(ROOF, kinds, (), 0.02, "power")
    assert sum(s.panel == 0 for s in best.chosen) == 1
    wide = Rect(0, 6, 0, 2)
    early, _ = packed(wide, [Kind("p", 0.7, 0.45, 100)], (), 0.02, "count", steps=60)
    assert early.bound >= early.value > 0 or not early.proven


def test_a_panel_larger_than_the_roof_is_found_not_refused() -> None:
    out = calculate("panel-pack", {"roof": {"x0_m": 0, "x1_m": 1, "y0_m": 0, "y1_m": 1}, "panels": [{"id": "p", "length_m": 1.7, "width_m": 1.1}]})
    assert out.dump()["finding_ids"] == ["fit-roof-no-panel"] and out.dump()["panel_count"] == 0


@given(st.floats(-1, 1), st.floats(-1, 1))
def test_a_shadow_is_as_large_as_its_samples_say(dx: float, dy: float) -> None:
    rect, panel = (0.0, 0.4, 0.0, 0.3), (-0.5, 0.8, -0.4, 0.7)
    area = area_within(shadow_hull(rect, (dx, dy)), panel)
    n, hits = 60, 0
    for i, j in itertools.product(range(n), range(n)):
        x, y = panel[0] + (panel[1] - panel[0]) * (i + 0.5) / n, panel[2] + (panel[3] - panel[2]) * (j + 0.5) / n
        # the point lies in the sweep when some part of the way brings the rectangle over it
        lo, hi = 0.0, 1.0
        for v, d, a, b in ((x, dx, rect[0], rect[1]), (y, dy, rect[2], rect[3])):
            if abs(d) < 1e-12:
                lo, hi = (lo, hi) if a <= v <= b else (1.0, 0.0)
            else:
                t0, t1 = sorted(((v - b) / d, (v - a) / d))
                lo, hi = max(lo, t0), min(hi, t1)
        hits += lo <= hi
    whole = (panel[1] - panel[0]) * (panel[3] - panel[2])
    assert area == pytest.approx(whole * hits / n**2, abs=0.03)


def test_uplift_is_sized_without_the_weight_and_safety_stands_where_strength_is() -> None:
    light, heavy = (calculate("wind-uplift", {"vehicle_speed_m_s": 30, "plan_area_m2": 1, "mass_kg": m}).dump() for m in (0, 20))
    assert light["uplift_n"] == heavy["uplift_n"] and light["pull_per_fixing_n"] == heavy["pull_per_fixing_n"]
    assert heavy["net_uplift_n"] == pytest.approx(light["uplift_n"] - 20 * 9.80665)
    assert light["uplift_n"] == pytest.approx(0.5 * 1.225 * 45**2)


@given(st.integers(0, 5000), st.integers(1, 5000))
def test_a_bead_as_long_as_required_is_just_used_up(shear: int, tension: int) -> None:
    out = calculate("adhesive-need", {"shear_n": shear, "tension_n": tension, "bead_width_mm": 12}).dump()
    assert out["finding_ids"] == []
    assert out["utilisation_frac"] == pytest.approx(1)
    short = calculate(
        "adhesive-need", {"shear_n": shear, "tension_n": tension, "bead_width_mm": 12, "bead_length_m": 0.9 * out["bead_length_required_m"]}
    ).dump()
    assert short["finding_ids"] == ["fit-bond-area-short"]


def test_cold_and_dry_air_cures_slower_and_double_the_way_takes_four_times() -> None:
    assert moisture_factor(23, 0.5) == pytest.approx(1)
    assert moisture_factor(5, 0.5) < moisture_factor(15, 0.5) < moisture_factor(15, 0.8)
    one, two = (calculate("cure-time", {"temp_c": 15, "humidity_frac": 0.6, "cure_path_mm": p}).dump() for p in (4, 8))
    assert two["time_h"] == pytest.approx(4 * one["time_h"])
    assert calculate("cure-time", {"temp_c": 4.9, "humidity_frac": 0.6, "cure_path_mm": 16}).dump()["finding_ids"] == [
        "fit-cure-path-long",
        "fit-cure-too-cold",
    ]
    assert calculate("cure-time", {"temp_c": 5, "humidity_frac": 0.6, "cure_path_mm": 15}).dump()["finding_ids"] == []


def test_a_gasket_at_both_sides_of_its_limits() -> None:
    def ribs(h: float) -> Any:
        return calculate("gasket-trim", {"gasket_thickness_mm": 20, "rib_heights_mm": [h]}).dump()

    assert ribs(2.0)["finding_ids"] == [] and ribs(2.01)["finding_ids"] == ["fit-gasket-trim"]
    assert ribs(8.4)["finding_ids"] == ["fit-gasket-trim"] and ribs(8.41)["finding_ids"] == ["fit-rib-too-high"]
    assert ribs(6.0)["ribs"][0]["remaining_mm"] == pytest.approx(10)


@pytest.mark.parametrize(
    ("name", "data", "key"),
    [
        ("panel-pack", {"roof": {"x0_m": 1, "x1_m": 0, "y0_m": 0, "y1_m": 1}, "panels": [{"id": "p", "length_m": 1, "width_m": 1}]}, "x1_m"),
        (
            "panel-pack",
            {"roof": {"x0_m": 0, "x1_m": 1, "y0_m": 0, "y1_m": 1}, "objective": "power", "panels": [{"id": "p", "length_m": 1, "width_m": 1}]},
            "power_w",
        ),
        ("panel-pack", {"roof": {"x0_m": 0, "x1_m": 40, "y0_m": -4, "y1_m": 4}, "panels": [{"id": "p", "length_m": 0.11, "width_m": 0.1}]}, "panels"),
        ("gasket-trim", {"gasket_thickness_mm": 20, "max_compression_frac": 0.3}, "max_compression_frac"),
        ("wind-uplift", {"vehicle_speed_m_s": 30, "plan_area_m2": 1, "drag_height_m": 0.1}, "fixing_spacing_x_m"),
        ("cure-time", {"temp_c": 20, "cure_path_mm": 3}, "humidity_frac"),
        ("cure-time", {"temp_c": 20, "humidity_frac": 0.5}, "cure_path_mm"),
        ("cure-time", {"chemistry": "two_part", "temp_c": 20}, "handling_time_ref_h"),
        ("adhesive-need", {"bead_width_mm": -3}, "bead_width_mm"),
    ],
)
def test_what_is_wrong_is_named(name: str, data: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        calculate(name, data)
    assert e.value.key == key


def test_a_square_panel_has_no_turned_form() -> None:
    assert not any(s.rotated for s in spots(ROOF, [Kind("q", 0.5, 0.5, 1)], (), 0.0))
    assert math.isclose(len(spots(ROOF, [Kind("q", 0.5, 0.5, 1)], (), 0.0)), 6)
