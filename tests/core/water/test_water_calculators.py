"""Water's calculators beyond the worked examples: mass, monotone levels, taps against a dense solve, refusals by name."""

from __future__ import annotations

import itertools
import math
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import fsolve

from bothy.core.calculators import CALCULATORS, calculate
from bothy.core.contract import BadInput
from bothy.core.fluid import friction
from bothy.core.water.crossover import BoxTank, settle
from bothy.core.water.hot import expansion_vessel_l
from bothy.core.water.properties import density, expansion, viscosity
from bothy.core.water.tank import slosh_hz
from bothy.core.water.waste import vent_pa

PUMP = [{"flow_l_min": 0, "pressure_kpa": 260}, {"flow_l_min": 6, "pressure_kpa": 170}, {"flow_l_min": 11, "pressure_kpa": 0}]
sizes = st.floats(0.05, 2.0)


@settings(max_examples=40, deadline=None)
@given(st.lists(st.tuples(sizes, sizes, sizes, st.floats(-0.5, 0.5)), min_size=1, max_size=4), st.floats(0.05, 0.95), st.floats(0.05, 0.95))
def test_a_tank_of_any_boxes_fills_as_its_level_rises(parts: Any, share: float, low: float) -> None:
    prisms = [{"shape": "box", "length_m": a, "width_m": b, "height_m": c, "base_z_m": z} for a, b, c, z in parts]
    out = calculate("tank-volume", {"prisms": prisms, "steps_count": 40}).dump()
    volumes = [r["volume_l"] for r in out["table"]]
    assert all(b >= a - 1e-9 for a, b in itertools.pairwise(volumes))
    assert math.isclose(volumes[-1], sum(1000 * a * b * c for a, b, c, _ in parts), rel_tol=1e-9)
    assert out["bottom_z_m"] < out["cg_z_full_m"] < out["top_z_m"]
    gauge = calculate(
        "gauge-calibration", {"prisms": prisms, "sender_type": "voltage", "empty_signal": 0.5, "full_signal": 4.5, "fill_fracs": [low, share]}
    ).dump()
    for row in gauge["table"]:
        assert math.isclose(row["volume_l"], row["fill_frac"] * out["usable_l"], rel_tol=1e-6), "the level is that of the litres"
    again = calculate(
        "gauge-calibration", {"prisms": prisms, "sender_type": "voltage", "empty_signal": 0.5, "full_signal": 4.5, "reading": gauge["table"][0]["signal"]}
    ).dump()
    assert math.isclose(again["reading_fill_frac"], low, abs_tol=1e-5)


def test_a_lying_cylinder_and_a_polygon_against_plain_geometry() -> None:
    half = calculate("tank-volume", {"prisms": [{"shape": "cylinder_horizontal", "diameter_m": 0.4, "length_m": 1.0}], "level_z_m": 0.2}).dump()
    assert math.isclose(half["level_fill_frac"], 0.5, rel_tol=1e-9)
    assert math.isclose(half["gross_l"], 1000 * math.pi * 0.04, rel_tol=1e-9)
    assert math.isclose(half["cg_z_full_m"], 0.2, rel_tol=1e-4)
    wedge = calculate("tank-volume", {"prisms": [{"shape": "polygon", "length_m": 1, "base_z_m": 0.1, "vertices_yz_m": [[0, 0], [1, 0], [0, 1]]}]}).dump()
    assert math.isclose(wedge["gross_l"], 500, rel_tol=1e-9)
    assert math.isclose(wedge["cg_z_full_m"], 0.1 + 1 / 3, rel_tol=1e-4)


@settings(max_examples=60, deadline=None)
@given(st.lists(st.tuples(st.floats(0.05, 1), st.floats(0, 0.3), st.floats(0.2, 0.6), st.floats(0, 1)), min_size=2, max_size=6), st.floats(-0.1, 0.19))
def test_joined_tanks_lose_no_water_and_settle_to_one_level(tanks: Any, pipe: float) -> None:
    boxes = [BoxTank(area_m2=a, floor_z_m=f, height_m=h, level_z_m=f + s * h) for a, f, h, s in tanks]
    pipe = min(pipe, *(b.top - 0.01 for b in boxes))
    before = sum(b.area_m2 * (b.level_z_m - b.floor_z_m) for b in boxes)
    common, levels = settle(boxes, pipe)
    assert math.isclose(sum(b.area_m2 * (z - b.floor_z_m) for b, z in zip(boxes, levels, strict=True)), before, abs_tol=1e-9)
    if common is not None:
        for b, z in zip(boxes, levels, strict=True):
            low = max(b.floor_z_m, pipe)
            assert math.isclose(z, min(max(common, low), b.top), abs_tol=1e-9)
    else:
        assert max(levels[i] - max(b.floor_z_m, pipe) for i, b in enumerate(boxes)) <= 1e-9, "nothing is left over the pipe"


def outlet(name: str, bore: float, length: float, rise: float, open_: bool = True) -> dict[str, Any]:
    return {"name": name, "inner_diameter_mm": bore, "length_m": length, "rise_m": rise, "rated_flow_l_min": 6, "rated_kpa": 60, "is_open": open_}


def network(*outlets: dict[str, Any], supply_mm: float = 11.6, pump: Any = None) -> dict[str, Any]:
    return {
        "pump_points": pump or PUMP,
        "supply": {"inner_diameter_mm": supply_mm, "length_m": 3, "rise_m": 0.4},
        "outlets": list(outlets),
        "filter_kpa_per_l_min": 2,
    }


runs = st.lists(st.tuples(st.sampled_from([7.0, 9.0, 11.6, 13.2]), st.floats(0.3, 6), st.floats(0, 1.5)), min_size=1, max_size=4)


@settings(max_examples=25, deadline=None)
@given(runs)
def test_taps_against_a_dense_solve(taps: Any) -> None:
    """The same network as one system of equations in flows and the junction's pressure."""
    outlets = [outlet(f"t{i}", *t) for i, t in enumerate(taps)]
    out = calculate("tap-flow", network(*outlets)).dump()
    rho, mu = density(15), viscosity(15)

    def lost(q: float, bore: float, length: float) -> float:
        d, q = bore / 1000, max(q, 1e-12) / 60000
        v = q / (math.pi * d * d / 4)
        return friction(rho * v * d / mu, 0.0015 / bore) * length / d * rho * v * v / 2000

    def pump(q: float) -> float:
        return 260 - 15 * q if q <= 6 else 170 - 34 * (q - 6)

    def off(x: Any) -> list[float]:
        *flows, p = x
        total = sum(flows)
        rows = [lost(q, b, length) + rho * 9.80665 * rise / 1000 + 60 * (q / 6) ** 2 - p for q, (b, length, rise) in zip(flows, taps, strict=True)]
        return [*rows, pump(total) - lost(total, 11.6, 3) - rho * 9.80665 * 0.4 / 1000 - 2 * total - p]

    got = [o["flow_l_min"] for o in out["outlets"]]
    assert math.isclose(sum(got), out["total_flow_l_min"], rel_tol=1e-6), "what enters leaves"
    if all(q > 0.05 for q in got):
        residue = off([*got, out["junction_pressure_kpa"]])
        assert max(map(abs, residue)) < 1e-5
        solved = fsolve(off, [*(q * 1.05 for q in got), out["junction_pressure_kpa"]], xtol=1e-12)
        assert solved[:-1] == pytest.approx(got, rel=1e-4)


@settings(max_examples=25, deadline=None)
@given(runs, st.integers(0, 3), st.floats(1.05, 1.6))
def test_a_larger_pipe_never_starves_its_tap(taps: Any, which: int, wider: float) -> None:
    which %= len(taps)
    base = [outlet(f"t{i}", *t) for i, t in enumerate(taps)]
    more = [{**o, "inner_diameter_mm": o["inner_diameter_mm"] * wider} if i == which else o for i, o in enumerate(base)]
    before, after = (calculate("tap-flow", network(*x)).dump()["outlets"][which]["flow_l_min"] for x in (base, more))
    assert after >= before * (1 - 0.012), "the friction's own step at Re 2300 to 4000 aside"


def test_a_shut_tap_gives_nothing_and_the_rest_more() -> None:
    both = calculate("tap-flow", network(outlet("a", 11.6, 2, 1), outlet("b", 9, 2, 0.5))).dump()
    one = calculate("tap-flow", network(outlet("a", 11.6, 2, 1), outlet("b", 9, 2, 0.5, open_=False))).dump()
    assert one["outlets"][1]["flow_l_min"] == 0
    assert one["outlets"][0]["flow_l_min"] > both["outlets"][0]["flow_l_min"]
    none = calculate("tap-flow", network(outlet("a", 11.6, 2, 1, open_=False))).dump()
    assert none["total_flow_l_min"] == 0
    assert none["pump_pressure_kpa"] == 260


def test_the_numbers_of_the_text() -> None:
    assert math.isclose(expansion(10, 70), 0.0225, rel_tol=0.02)
    assert math.isclose(slosh_hz(1.0, 0.2), 0.66, rel_tol=0.02)
    assert math.isclose(slosh_hz(0.5, 0.15), 1.07, rel_tol=0.02)
    assert math.isclose(vent_pa(40, 8, 1), 554, rel_tol=0.01)
    assert math.isclose(vent_pa(40, 16, 1), 22, rel_tol=0.02)
    out, vessel = expansion_vessel_l(10, 10, 70, 200, 600)
    assert math.isclose(out, 0.225, rel_tol=0.02)
    assert vessel is not None
    assert vessel > out
    assert expansion_vessel_l(10, 10, 70, 600, 600)[1] is None, "no room above the precharge"
    assert [round(friction(re, 0.0001), 4) for re in (0, 1000, 2300)] == [0, 0.064, 0.0278]


@settings(max_examples=40, deadline=None)
@given(st.floats(1, 300), st.floats(0, 20), st.floats(-30, -0.5), st.floats(0.1, 20), st.floats(0, 500))
def test_frost_comes_later_with_heat_and_never_where_it_is_held(volume: float, start: float, cold: float, ua: float, heat: float) -> None:
    out = calculate("freeze-hold", {"volume_l": volume, "start_temp_c": start, "outside_temp_c": cold, "loss_w_k": ua, "heater_w": heat}).dump()
    bare = calculate("freeze-hold", {"volume_l": volume, "start_temp_c": start, "outside_temp_c": cold, "loss_w_k": ua}).dump()
    assert out["hold_heat_w"] == bare["hold_heat_w"]
    if heat >= ua * -cold:
        assert out["time_to_zero_h"] is None
    elif out["time_to_zero_h"] is not None:
        assert out["time_to_zero_h"] >= bare["time_to_zero_h"] - 1e-9
        assert out["time_to_ice_h"] > out["time_to_zero_h"]


@pytest.mark.parametrize(
    ("name", "change", "key", "words"),
    [
        ("tank-volume", {"prisms": [{"shape": "box", "length_m": -1, "width_m": 1, "height_m": 1}]}, "length_m", "prisms[0].length_m"),
        ("tank-volume", {"prisms": [{"shape": "box", "length_m": 1, "width_m": 1, "height_m": 1, "op": "cut"}]}, "prisms", "add at least one"),
        (
            "tank-volume",
            {
                "prisms": [
                    {"shape": "box", "length_m": 1, "width_m": 1, "height_m": 1},
                    {"shape": "box", "length_m": 1.2, "width_m": 1.2, "height_m": 0.3, "base_z_m": 0.2, "op": "cut"},
                ]
            },
            "prisms",
            "cut is larger",
        ),
        ("tank-volume", {"outlet_z_m": 0.3}, "outlet_z_m", "water above it"),
        ("tank-volume", {"max_level_z_m": 0.5}, "max_level_z_m", "at most the top"),
        ("tank-volume", {"level_z_m": 0.9}, "level_z_m", "must lie"),
        ("gauge-calibration", {"full_signal": 0}, "full_signal", "differ"),
        ("gauge-calibration", {"sender_type": "stepped", "step_z_m": [0.2, 0.1]}, "step_z_m", "rise"),
        ("gauge-calibration", {"sender_type": "stepped", "step_z_m": [0.1, 0.2], "reading": 3}, "reading", "0 to 2"),
        ("tank-crossover", {"crossover_z_m": 0.5}, "height_m", "under the top"),
        ("tank-crossover", {"outlet_tank_index": 5}, "outlet_tank_index", "0 to 1"),
        ("pipe-pressure-loss", {"fittings": {"hook": 1}}, "fittings", "not a known fitting"),
        ("tap-flow", {"pump_points": [{"flow_l_min": 0, "pressure_kpa": 100}, {"flow_l_min": 5, "pressure_kpa": 20}]}, "pump_points", "pressure 0"),
        (
            "tap-flow",
            {
                "pump_points": [{"flow_l_min": 0, "pressure_kpa": 5}, {"flow_l_min": 0.1, "pressure_kpa": 0}],
                "supply": {"inner_diameter_mm": 11.6, "length_m": 1, "rise_m": -3},
            },
            "pump_points",
            "more than the last flow",
        ),
        ("accumulator-size", {"precharge_kpa": 150}, "precharge_kpa", "never fills"),
        ("accumulator-size", {"drawdown_l": 1}, "accumulator_l", "exactly one"),
        ("instant-heat", {"outlet_temp_c": 5}, "outlet_temp_c", "more than"),
        ("storage-heat-time", {"target_temp_c": 5}, "target_temp_c", "more than"),
        ("mixed-water", {"hot_temp_c": 30}, "hot_temp_c", "at least"),
        ("sanitise-dose", {"strength_frac": 0}, "strength_frac", "more than 0"),
        ("sanitise-dose", {"existing_mg_l": 60}, "existing_mg_l", "less than"),
        ("filter-life", {"filters": [{"rated_flow_l_min": 4, "clean_kpa": 20}]}, "rated_l", "rated_months"),
        ("pressure-hold-test", {"medium": "air"}, "gas_volume_l", "required"),
        ("drain-time", {"end_level_m": 0.5}, "end_level_m", "less than"),
        ("freeze-hold", {"outside_temp_c": 0}, "outside_temp_c", "less than 0"),
        ("water-autonomy", {"stores": [{"name": "fresh", "capacity_l": 1, "flow_l_day": 1}] * 2}, "name", "twice"),
    ],
)
def test_what_can_not_be_is_refused_by_name(name: str, change: dict[str, Any], key: str, words: str) -> None:
    with pytest.raises(BadInput) as e:
        calculate(name, {**CALCULATORS[name].example, **change})
    assert e.value.key == key
    assert words in e.value.message
