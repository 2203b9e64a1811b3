"""Warmth and air by their laws: heat and vapour balance, ducts against a dense solve, the stretched string by hand, what more insulation can never do."""

from __future__ import annotations

import itertools
import math
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import fsolve, linear_sum_assignment

from bothy.core.calculators import calculate
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.proposals.warmth import knee_mm
from bothy.core.proposing import accept, propose_group
from bothy.core.warmth.air import dew_point, saturation_pa
from bothy.core.warmth.condensation import DELTA_0, PER_DAY
from bothy.core.warmth.ducts import FITTINGS, best_assignment
from bothy.core.warmth.layout import best_dampers
from bothy.core.warmth.part import warmth_part
from bothy.core.warmth.presets import BUILD_UPS, PRESETS
from bothy.core.warmth.surfaces import work_shell, worked
from bothy.demo import curlew, saltbush
from tests.core.warmth.test_warmth_rules import FOAM, HEATER, PLY, RUN, WOOL, ducted, wall, warm
from tests.designs import made, reported

SURFACES = st.lists(
    st.fixed_dictionaries({"area_m2": st.floats(0.1, 30), "u_value_w_m2k": st.floats(0.2, 6), "extra_r_m2k_w": st.floats(0, 2), "b_frac": st.floats(0, 1)}),
    min_size=1,
    max_size=6,
)


@given(surfaces=SURFACES, indoor=st.floats(5, 30), colder=st.floats(1, 50), ach=st.floats(0, 5), volume=st.floats(0, 40), vent=st.floats(0, 200))
@settings(max_examples=60)
def test_what_leaves_is_the_sum_of_its_ways_and_of_its_zones(surfaces: Any, indoor: float, colder: float, ach: float, volume: float, vent: float) -> None:
    named = [{"name": f"s{i}", "zone": "ab"[i % 2], **s} for i, s in enumerate(surfaces)]
    r = calculate(
        "heat-loss",
        {"indoor_temp_c": indoor, "outdoor_temp_c": indoor - colder, "volume_m3": volume, "ach_per_h": ach, "vent_flow_m3_h": vent, "surfaces": named},
    ).dump()
    assert r["heat_loss_w"] == pytest.approx(sum(s["heat_w"] for s in r["surfaces"]) + r["infiltration_w"] + r["ventilation_w"], rel=1e-9, abs=1e-9)
    assert sum(z["heat_w"] for z in r["zones"]) == pytest.approx(r["heat_loss_w"], rel=1e-9, abs=1e-9)
    assert r["ua_w_k"] * colder == pytest.approx(r["heat_loss_w"], rel=1e-6, abs=1e-9)


LAYERS = st.lists(
    st.tuples(st.sampled_from(["plywood", "sheep_wool", "elastomeric_foam", "xps", "pir_foil", "lining_carpet"]), st.floats(1, 80)), min_size=1, max_size=4
)


@given(layers=LAYERS, more=st.floats(1, 100), where=st.integers(0, 3), ribs=st.booleans(), voids=st.floats(0, 0.3))
@settings(max_examples=80)
def test_more_insulation_never_loses_more(layers: Any, more: float, where: int, ribs: bool, voids: float) -> None:
    def u(extra: float) -> float:
        stack = [{"material": m, "thickness_mm": mm + (extra if i == where % len(layers) else 0)} for i, (m, mm) in enumerate(layers)]
        rib = {"rib": {"spacing_mm": 600, "flange_width_mm": 50}} if ribs else {}
        return float(
            calculate("u-value", {"layers": [*stack, {"material": "steel_skin", "thickness_mm": 0.8}], "void_frac": voids, **rib}).dump()["u_value_w_m2k"]
        )

    assert u(more) <= u(0) + 1e-12


@given(layers=LAYERS, inside=st.floats(0.2, 0.9), outside=st.floats(-20, 10))
@settings(max_examples=80)
def test_no_vapour_is_lost_in_the_wall(layers: Any, inside: float, outside: float) -> None:
    """What enters at the inner surface, less what leaves at the outer one, is what gathers in between; nowhere is more vapour than the air can hold."""
    stack = [{"material": m, "thickness_mm": mm} for m, mm in layers]
    r = calculate(
        "condensation-check", {"outdoor_temp_c": outside, "indoor_rh_frac": inside, "layers": [*stack, {"material": "steel_skin", "thickness_mm": 0.8}]}
    ).dump()
    planes = r["planes"]
    assert all(p["vapour_pressure_pa"] <= p["sat_pressure_pa"] * (1 + 1e-9) for p in planes)
    assert all(p["rate_g_m2_day"] >= -1e-9 for p in planes)
    assert sum(p["rate_g_m2_day"] for p in planes) == pytest.approx(r["condensation_g_m2_day"], rel=1e-9, abs=1e-9)


def test_the_stretched_string_by_hand() -> None:
    """Ply and wool on steel: everything that gets through ply and wool gathers at the skin, by the ratio of pressures to air thickness."""
    r = calculate(
        "condensation-check",
        {
            "outdoor_temp_c": -5,
            "indoor_rh_frac": 0.6,
            "layers": [
                {"material": "plywood", "thickness_mm": 4},
                {"material": "sheep_wool", "thickness_mm": 50},
                {"material": "steel_skin", "thickness_mm": 0.8},
            ],
        },
    ).dump()
    whole = 0.13 + 0.004 / 0.13 + 0.05 / 0.038 + 0.0008 / 50 + 0.04
    skin = 20 - 25 * (whole - 0.04 - 0.0008 / 50) / whole
    into = (0.6 * saturation_pa(20) - saturation_pa(skin)) / (70 * 0.004 + 2 * 0.05)
    out = (saturation_pa(skin) - 0.85 * saturation_pa(-5)) / (1e6 * 0.0008)
    assert r["condensation_g_m2_day"] == pytest.approx(DELTA_0 * PER_DAY * (into - out), rel=1e-6)
    assert r["worst_plane"] == "sheep_wool|steel_skin"


@given(temp=st.floats(-30, 40), rh=st.floats(0.05, 1))
def test_the_dew_point_is_where_the_air_is_full(temp: float, rh: float) -> None:
    e = rh * saturation_pa(temp)
    assert saturation_pa(dew_point.raw(e)) == pytest.approx(e, rel=5e-3)


RUNS = st.lists(
    st.fixed_dictionaries({"diameter_mm": st.sampled_from([60.0, 75.0, 90.0]), "length_m": st.floats(0.3, 6), "k_sum": st.floats(0, 6)}), min_size=1, max_size=4
)


@given(runs=RUNS, pressure=st.floats(50, 300), free=st.floats(60, 300), opening=st.floats(3000, 60000), power=st.floats(500, 5000))
@settings(max_examples=40, deadline=None)
def test_the_duct_network_against_a_dense_solve(runs: Any, pressure: float, free: float, opening: float, power: float) -> None:
    """All flows and the plenum's pressure at once by a general solver, from nothing but the laws of each part."""
    data = {
        "fan_pressure_max_pa": pressure,
        "fan_flow_max_m3_h": free,
        "heater_power_w": power,
        "return_area_mm2": opening,
        "runs": [{"name": f"r{i}", **r} for i, r in enumerate(runs)],
    }
    got = calculate("duct-network", data).dump()
    rho = 1.2 * 293.15 / (80 + 273.15)
    k = np.array(
        [
            (1 + 0.05 * r["length_m"] / (r["diameter_mm"] / 1000) + r["k_sum"]) * 1.2**2 / (2 * rho * (math.pi * (r["diameter_mm"] / 1000) ** 2 / 4) ** 2)
            for r in runs
        ]
    )
    back = 1.2 / (2 * (0.6 * opening * 1e-6) ** 2)

    def off(x: Any) -> Any:
        q, p = x[:-1] / 100, x[-1] * 100
        whole = q.sum()
        return [*(k * q * abs(q) - p) / 100, (pressure * (1 - whole / (free / 3600)) - p - back * whole * abs(whole)) / 100]

    start = [100 * got["total_flow_m3_h"] / 3600 / len(runs)] * len(runs) + [pressure / 200]
    solved = fsolve(off, start, xtol=1e-12)
    assert [r["flow_m3_h"] for r in got["runs"]] == pytest.approx(list(solved[:-1] / 100 * 3600), rel=1e-5)
    assert got["plenum_pressure_pa"] == pytest.approx(solved[-1] * 100, rel=1e-5)
    assert got["delivered_w"] + got["loss_w"] == pytest.approx(power, rel=1e-9), "what the heater gives arrives or is lost"


def test_air_is_not_lost_at_a_branch() -> None:
    branch = {"diameter_mm": 60, "length_m": 2}
    r = calculate(
        "duct-network",
        {
            "fan_pressure_max_pa": 200,
            "fan_flow_max_m3_h": 150,
            "heater_power_w": 2000,
            "runs": [
                {
                    "name": "trunk",
                    "diameter_mm": 90,
                    "length_m": 1,
                    "branches": [
                        {"name": "a", **branch},
                        {"name": "b", **branch, "fittings": [{"kind": "damper_45"}]},
                        {"name": "shut", **branch, "open": False},
                    ],
                },
                {"name": "c", **branch},
            ],
        },
    ).dump()
    flows = {x["name"]: x["flow_m3_h"] for x in r["runs"]}
    assert sum(flows.values()) == pytest.approx(r["total_flow_m3_h"])
    assert flows["shut"] == 0
    assert flows["b"] < flows["a"]


@given(costs=st.integers(2, 5).flatmap(lambda n: st.lists(st.lists(st.floats(0, 500), min_size=n, max_size=n), min_size=n, max_size=n)))
@settings(max_examples=40)
def test_the_assignment_of_outlets_against_another_solver(costs: Any) -> None:
    table = np.array(costs)
    rows, columns = linear_sum_assignment(table)
    mine = best_assignment(costs, "total")
    assert sum(costs[o][r] for r, o in enumerate(mine)) == pytest.approx(float(table[rows, columns].sum()), abs=1e-6)
    worst = best_assignment(costs, "worst")
    least = min(max(costs[o][r] for r, o in enumerate(p)) for p in itertools.permutations(range(len(costs)), len(costs[0])))
    assert max(costs[o][r] for r, o in enumerate(worst)) == pytest.approx(least)


@pytest.mark.parametrize("b", BUILD_UPS, ids=lambda b: b.id)
def test_every_build_up_to_start_from_can_be_used(b: Any) -> None:
    side = "floor" if b.id.startswith("floor") else "left"
    r = reported(warm(build_ups=[b.model_dump(mode="json")], surfaces=[{"id": side, "build_up": b.id}]))
    assert 0.2 < r.warmth.surfaces[side].u_w_m2k < 6
    assert r.figures[f"surfaces/{side}/u_value_w_m2k"]["value"] == r.warmth.surfaces[side].u_w_m2k


def test_the_table_of_build_ups_is_kept() -> None:
    """U between the ribs and with them, of method warmth.u-value."""
    for id, clear, ribs in (
        ("foam-bonded", 0.80, 1.33),
        ("foil-board", 0.40, 1.00),
        ("sprayed", 0.57, 1.15),
        ("extruded", 0.73, 1.27),
        ("wool", 0.66, 1.22),
        ("thin-foam", 2.00, 2.27),
    ):
        w = worked(PRESETS[id], "horizontal")
        assert (round(w.u_clear_w_m2k, 2), round(w.u_value_w_m2k, 2)) == (clear, ribs), id


def test_the_knee_is_where_more_hardly_helps() -> None:
    mm = knee_mm(PRESETS["foam-bonded"], "horizontal")
    assert 20 <= mm <= 70
    assert knee_mm(PRESETS["foam-bonded"].model_copy(update={"rib_spacing_mm": None}), "horizontal") > mm, "without ribs more pays longer"


@pytest.mark.parametrize(
    ("change", "key", "words"),
    [
        ({"build_ups": [{"id": "b", "name": "B", "layers": [{**FOAM, "thickness_mm": 0.0}]}]}, "thickness_mm", "at least"),
        ({"design_cold_c": 25.0}, "design_cold_c", "at most 20"),
        ({"design_hot_c": 80.0}, "design_hot_c", "at most 60"),
        ({"build_ups": [{"id": "b", "name": "B", "layers": [{"id": "x", "thickness_mm": 5.0}]}]}, "conductivity_w_mk", "layer of your own"),
        ({"build_ups": [{"id": "b", "name": "B", "layers": [{"id": "x", "material": "moondust", "thickness_mm": 5.0}]}]}, "material", "moondust"),
        ({"build_ups": [{"id": "b", "name": "Nothing", "layers": [], "skin": "none"}]}, "layers", "neither a layer nor a skin"),
        ({"surfaces": [{"id": "left", "build_up": "gone"}]}, "build_up", "does not exist"),
        ({"ducts": [{**RUN, "parent": "two"}, {**RUN, "id": "two", "parent": "one"}]}, "parent", "branches off itself"),
        ({"ducts": [{**RUN, "parent": "ghost"}]}, "parent", "does not exist"),
        ({"heaters": [{**HEATER, "min_w": 5000.0}]}, "min_w", "at most the largest"),
        ({"heaters": [{**HEATER, "appliance": "ghost"}]}, "appliance", "does not exist"),
        ({"loop": {"pump_head_max_m": 2.0}}, "pump_flow_max_l_min", "give both"),
        ({"vents": [{"id": "v", "name": "Fan", "free_area_mm2": 100.0}]}, "flow_max_m3_h", "free flow"),
        ({"build_ups": [{"id": "b", "name": "B", "layers": [PLY], "rib_spacing_mm": 60.0}]}, "rib_spacing_mm", "itself takes"),
        ({"drying": {"water_g": 1.0, "hours": 1.0, "flow_m3_h": 9.0, "duct": "x"}}, "duct", "does not exist"),
    ],
)
def test_what_can_not_be_is_refused_by_name(change: dict[str, Any], key: str, words: str) -> None:
    with pytest.raises(BadInput) as e:
        load_design(warm(**change))
    assert e.value.key == key
    assert words in e.value.message


def test_more_runs_than_the_heater_has_outlets_is_found() -> None:
    r = reported(ducted(RUN, {**RUN, "id": "two"}))
    assert any("At the heater begin 2 runs, and it has 1 outlet:" in f.message for f in r.findings)


def test_a_vehicle_whose_roof_is_all_pop_top_is_found_and_still_reckoned() -> None:
    r = reported(warm(pop_top={"length_m": 9.0, "width_m": 3.0, "height_m": 0.5}))
    assert [f.rule for f in r.findings if f.subject == "shell"] == ["warm-opening-large"]
    assert "larger than the roof" in (r.warmth.problem or "")
    assert r.warmth.heat_loss_w > 500


def test_slide_outs_and_a_pop_top_are_surfaces_of_their_own() -> None:
    plain, more = (
        reported(warm(**x)).warmth
        for x in (
            {},
            {
                "slide_outs": [{"id": "s", "on": "left", "depth_m": 0.5, "width_m": 1.5, "height_m": 1.4}],
                "pop_top": {"length_m": 1.8, "width_m": 1.2, "height_m": 0.6, "shape": "wedge"},
            },
        )
    )
    assert {"slide_out_1", "pop_top_canvas", "pop_top_lid"} <= more.surfaces.keys()
    assert more.volume_m3 > plain.volume_m3
    assert more.heat_loss_w > plain.heat_loss_w
    canvas = more.surfaces["pop_top_canvas"]
    dark, noon = canvas.summer_w[0], max(canvas.summer_w[10:16])
    assert noon > dark + 0.2 * canvas.area_m2 * canvas.u_w_m2k, "the sun warms the canvas by day"


def test_a_curtain_before_the_cab_saves_what_it_says() -> None:
    open_, shut = (reported(warm(cab=c)).warmth for c in ("open", "curtain"))
    said = next(s for s in open_.savings if s.key == "cab:curtain").saves_w
    assert open_.heat_loss_w - shut.heat_loss_w == pytest.approx(said, rel=0.12), "the taper of the wall is left out of the quick sum"


def test_each_saving_of_a_screen_is_what_the_screen_then_saves() -> None:
    before = reported(warm())
    for s in before.warmth.savings:
        if s.key.startswith("cover:"):
            after = reported(warm(surfaces=[{"id": s.of, "cover": "screen_inside"}]))
            assert before.warmth.heat_loss_w - after.warmth.heat_loss_w == pytest.approx(s.saves_w, rel=1e-6)


def test_the_order_of_the_layers_matters_to_the_damp_and_not_to_the_heat() -> None:
    foil = {"id": "foil", "material": "vapour_foil", "thickness_mm": 0.2}
    warm_side, cold_side = (reported(wall(*x)).warmth for x in ((PLY, foil, WOOL), (PLY, WOOL, foil)))
    assert warm_side.build_ups["b/horizontal"].u_w_m2k == pytest.approx(cold_side.build_ups["b/horizontal"].u_w_m2k)
    assert warm_side.build_ups["b/horizontal"].condensation_g_m2_day < 1 < 20 < cold_side.build_ups["b/horizontal"].condensation_g_m2_day


def test_dampers_never_leave_the_coldest_zone_worse() -> None:
    ctx = Context(
        made(
            ducted(
                {**RUN, "diameter_mm": 90.0, "length_m": 0.5},
                {**RUN, "id": "two", "zone": "cab", "diameter_mm": 60.0, "length_m": 4.0, "bends_90": 3},
                heater={"outlet_biases": [1.0, 1.0]},
            )
        )
    )
    w = warmth_part(ctx)
    assert w.layout is not None
    dampers, worst = best_dampers(ctx, w.layout)
    assert worst < w.layout.part.worst_shortfall_w
    assert dampers["one"] != "none"
    assert all(f"{d}" in {"none", *FITTINGS} for d in dampers.values())


def test_the_winter_day_is_coldest_before_dawn_and_the_sun_takes_load_off() -> None:
    p = reported(warm(colour="dark")).warmth
    assert min(range(24), key=lambda h: p.winter_out_c[h]) in (2, 3, 4)
    assert p.winter_need_w[12] < p.winter_need_w[3]
    dark, white = (max(reported(warm({"place": "alice_springs", "from_month": 12, "to_month": 2}, colour=c)).warmth.cool.free_c) for c in ("dark", "white"))
    assert dark > white + 2


def test_bothy_fits_a_bare_van_and_is_then_content() -> None:
    bare = made(warm())
    design, taken = accept(bare, groups=["insulation", "vents", "heater", "ducts", "cooler"])
    assert taken == ["insulation", "screens", "vents", "heater"]
    r = reported(design.model_dump(mode="json"))
    assert not [f.rule for f in r.findings if f.rule in ("warm-heater-undersized", "warm-co2-high", "warm-interstitial", "warm-humidity-high")]
    assert all(not s.assumed for s in r.warmth.surfaces.values())
    assert [p.status for g in ("insulation", "vents", "heater") for p in propose_group(design, g)] == ["fitted"] * 3  # type: ignore[arg-type]


COOLED: dict[str, Any] = {"id": "ac", "name": "Roof air conditioner", "kind": "cooling", "supply": "ac", "power_w": 1000.0, "hours_per_day": 4.0}


def test_a_cooler_is_proposed_where_it_gets_hot_and_can_be_run() -> None:
    place = {"place": "alice_springs", "from_month": 12, "to_month": 2}
    without = propose_group(made(warm(place, cab="curtain")), "cooler")[0]
    assert without.status == "kept"
    assert "inverter" in without.what
    hot = made(warm(place, {"inverter": {"name": "Inverter", "rating_w": 4000.0, "surge_power_w": 8000.0}}, cab="curtain"))
    assert propose_group(hot, "cooler")[0].status == "offer", "the heaviest load of all is taken by who wants it"
    assert accept(hot, groups=["cooler"])[1] == []
    wanted = made(warm({**place, "appliances": [COOLED]}, {"inverter": {"name": "Inverter", "rating_w": 4000.0, "surge_power_w": 8000.0}}, cab="curtain"))
    assert propose_group(wanted, "cooler")[0].status == "new"
    assert accept(wanted, groups=["cooler"])[0].warmth.cooler.appliance == "ac"  # type: ignore[union-attr]
    cooled, _ = accept(hot, ids=["cooler"])
    line = cooled.appliance(cooled.warmth.cooler.appliance or "")  # type: ignore[union-attr]
    assert line is not None, "its energy counts and its circuit is planned"
    assert line.running_w == pytest.approx(cooled.warmth.cooler.capacity_w / cooled.warmth.cooler.eer, rel=0.05)  # type: ignore[union-attr]
    assert "warm-ac-undersized" not in {f.rule for f in reported(cooled.model_dump(mode="json")).findings}


def test_the_schools_against_damp_side_by_side() -> None:
    """A membrane keeps wool dry and slows its drying; foam that holds vapour back by itself hardly cares."""
    wool = wall({"id": "a", "material": "plywood", "thickness_mm": 4, "over_ribs": True}, {"id": "b", "material": "sheep_wool", "thickness_mm": 50})
    built, barrier, opened = reported(wool).warmth.build_ups["b/horizontal"].schools
    assert (built.school, barrier.school, opened.school) == ("as_built", "barrier", "open")
    assert opened.same
    assert opened.wets_g_m2_day == built.wets_g_m2_day > 10 * barrier.wets_g_m2_day
    assert built.dries_g_m2_day > 10 * barrier.dries_g_m2_day
    assert barrier.air_leak_condenses
    # by hand: 4 mm ply µ 70 and 50 mm wool µ 2 are 0.38 m of air; 35 °C skin against 22 °C and half full
    assert math.isclose(built.dries_g_m2_day, 2e-10 * 8.64e7 * (5622.9 - 0.5 * 2642.4) / 0.38, rel_tol=5e-3)
    foil = wall(
        {"id": "a", "material": "plywood", "thickness_mm": 4, "over_ribs": True},
        {"id": "f", "material": "vapour_foil", "thickness_mm": 0.2, "over_ribs": True},
        {"id": "b", "material": "sheep_wool", "thickness_mm": 50},
    )
    built, barrier, opened = reported(foil).warmth.build_ups["b/horizontal"].schools
    assert barrier.same
    assert not opened.same


def test_curlew_is_warm_and_dry_but_for_its_two_mistakes() -> None:
    r = reported(curlew.design().model_dump(mode="json"))
    assert {(f.rule, f.subject) for f in r.findings if f.stage == "warmth" and f.severity in ("danger", "fault")} == {
        ("warm-interstitial", "build:shelf-wall"),
        ("warm-frost-bay", "bay:grey-bay"),
    }
    assert r.warmth.heaters["heater"].adequate
    assert r.warmth.drying is not None
    assert r.warmth.drying.works
    assert r.warmth.year_fuel_l == pytest.approx(300, rel=0.15)
    assert r.stages["warmth"].stones == 2


def test_saltbush_keeps_its_cool() -> None:
    r = reported(saltbush.design().model_dump(mode="json"))
    assert [f.rule for f in r.findings if f.stage == "warmth" and f.severity in ("danger", "fault")] == ["warm-cooler-uncounted"]
    c = r.warmth.cool
    assert c.capacity_w is not None
    assert c.capacity_w > c.needed_w > 2000
    assert max(c.free_c) > 42


def test_thirty_surfaces_and_six_runs_are_all_there() -> None:
    windows = [{"id": f"w{i}", "name": f"Window {i}", "on": "left" if i % 2 else "right", "width_m": 0.2, "height_m": 0.2} for i in range(19)]
    runs = [{**RUN, "id": f"r{i}", "name": f"Run {i}", "zone": "cab" if i % 2 else "living"} for i in range(6)]
    r = reported(warm(openings=windows, heaters=[{**HEATER, "outlet_biases": [1.0] * 6}], ducts=runs)).warmth
    assert len(r.surfaces) == 30
    assert len(r.ducts) == 6
    assert sum(s.heat_w for s in r.surfaces.values()) + r.air_w == pytest.approx(r.heat_loss_w)
    assert len(work_shell(Context(made(warm(openings=windows)))).surfaces) == 30
