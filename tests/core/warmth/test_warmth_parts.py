"""Warmth's part of the report: each sum is its calculator's, on the design's own values; and no design, however odd, breaks it."""

from __future__ import annotations

import math
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from bothy.core.calculators import calculate
from bothy.core.catalogue.climates import climates
from bothy.core.catalogue.materials import materials
from bothy.core.context import Context
from bothy.core.design.document import load_design
from bothy.core.design.warmth import Warmth
from bothy.core.report import report
from bothy.core.vehicles import PRESETS
from bothy.core.warmth.airing import damp_sources, inlets, month_cold, outdoor_rh
from bothy.core.warmth.heating import capacity
from bothy.core.warmth.part import warmth_part
from bothy.core.warmth.presets import BUILD_UPS, usual
from bothy.core.warmth.summer import roof_shaded, sun_on
from bothy.core.warmth.surfaces import cab_of, sheets, work_shell
from tests.core.warmth.test_warmth_rules import BANK, CABINET, FOAM, HEATER, LOOP, PLY, RUN, SMOKE, VENTS, WATER, WOOL, ducted, heated, looped, wall, warm
from tests.designs import made, reported


def context(data: dict[str, Any]) -> Context:
    return Context(made(data))


# the shell


def test_every_preset_of_a_vehicle_has_a_shell() -> None:
    for preset in PRESETS:
        data = warm()
        data["vehicle"] = {"preset": preset}
        p = reported(data).warmth
        assert p.volume_m3 > 3, preset
        assert p.heat_loss_w > 100, preset
        assert p.needed_w == pytest.approx(1.2 * p.heat_loss_w), preset
        assert (p.cab == "none") == (preset in ("truck_body", "trailer", "truck_camper", "boat")), preset


def test_the_usual_build_up_is_said_to_be_assumed() -> None:
    p = reported(warm()).warmth
    assert p.surfaces["left"].assumed
    assert p.surfaces["left"].build_up == usual("panel_van", "wall").id
    assert not p.surfaces["cab_doors"].assumed, "the cab is the maker's, by the table"


def test_a_typed_u_value_wins_until_a_build_up_is_chosen() -> None:
    typed = reported(warm(surfaces=[{"id": "left", "u_value_w_m2k": 0.5}])).warmth.surfaces["left"]
    assert (typed.u_w_m2k, typed.build_up) == (0.5, None)


def test_a_surface_s_loss_is_that_of_the_calculator() -> None:
    r = reported(warm(cab="curtain", surfaces=[{"id": "cab_windscreen", "cover": "screen_inside"}])).warmth
    ctx = context(warm(cab="curtain", surfaces=[{"id": "cab_windscreen", "cover": "screen_inside"}]))
    shell = work_shell(ctx)
    out = calculate(
        "heat-loss",
        {
            "indoor_temp_c": r.indoor_c,
            "outdoor_temp_c": r.cold_c,
            "volume_m3": r.volume_m3,
            "ach_per_h": 1.0,
            "altitude_m": ctx.climate.elevation_m,
            "surfaces": [
                {"name": s.id, "area_m2": s.area_m2, "u_value_w_m2k": s.u.value, "extra_r_m2k_w": s.extra_r, "b_frac": s.b_frac, "zone": s.zone}
                for s in shell.surfaces
            ],
        },
    ).dump()
    assert out["heat_loss_w"] == pytest.approx(r.heat_loss_w)
    assert {s["name"]: s["heat_w"] for s in out["surfaces"]} == pytest.approx({k: s.heat_w for k, s in r.surfaces.items()})
    assert {z["zone"]: z["heat_w"] for z in out["zones"]} == pytest.approx({k: z.heat_w for k, z in r.zones.items()})


def test_a_cab_behind_a_curtain_is_a_space_between() -> None:
    """What the cab's surfaces lose together is what goes through the curtain, by the buffer's own balance."""
    ctx = context(warm(cab="curtain"))
    shell = work_shell(ctx)
    cab = [s for s in shell.surfaces if s.id.startswith("cab_")]
    outer = sum(s.u_effective * s.area_m2 for s in cab)
    b = cab[0].b_frac
    inner = outer * b / (1 - b)
    between = calculate(
        "buffer-temp", {"indoor_temp_c": ctx.indoor_c, "outdoor_temp_c": ctx.cold_c, "ua_to_living_w_k": inner, "ua_to_outside_w_k": outer}
    ).dump()
    assert sum(s.ua for s in cab) * (ctx.indoor_c - ctx.cold_c) == pytest.approx(between["heat_from_living_w"], rel=1e-9)


def test_a_bulkhead_stands_before_a_cold_cab() -> None:
    shell = work_shell(context(warm(cab="bulkhead")))
    front = next(s for s in shell.surfaces if s.id == "front")
    assert 0 < front.b_frac < 1
    assert not [s for s in shell.surfaces if s.id.startswith("cab_")]


def test_the_cab_by_the_vehicle_where_nothing_is_said() -> None:
    assert cab_of(context(warm())) == "open"
    assert cab_of(context(warm(cab="bulkhead"))) == "bulkhead"


def test_headroom_mass_sheets_and_price_of_a_build_up() -> None:
    r = reported(wall(PLY, {**FOAM, "thickness_mm": 40.0}, on="roof")).warmth
    floor = r.build_ups["floor-board/down"]
    assert r.headroom_m == pytest.approx(1.85 - 0.044 - (floor.thickness_mm - 0.8) / 1000)
    part = r.build_ups["b/up"]
    m = materials()
    per_m2 = sum(m[k].density_kg_m3 * mm / 1000 for k, mm in (("plywood", 4), ("elastomeric_foam", 40), ("steel_skin", 0.8)))
    assert part.mass_kg == pytest.approx(per_m2 * part.area_m2)
    assert part.cost == pytest.approx((1.0 + 1.4 * 40 / 19) * part.area_m2)
    assert part.sheet_count == sheets(part.area_m2) == math.ceil(part.area_m2 * 1.15 / (1.22 * 2.44))
    assert sheets(0.01) == 1


def test_what_is_stored_is_lining_furniture_and_air() -> None:
    light, heavy = (
        capacity(work_shell(context(d)), 5.0)
        for d in (wall(PLY, FOAM, on="roof"), wall({"id": "x", "material": "hardwood", "thickness_mm": 20.0, "over_ribs": True}, FOAM, on="roof"))
    )
    assert heavy[1] > light[1]
    assert light[0] < light[1]


def test_savings_are_in_order_and_none_of_them_is_nothing() -> None:
    s = [x.saves_w for x in reported(warm()).warmth.savings]
    assert s == sorted(s, reverse=True)
    assert min(s) >= 1


# heating


def test_a_heater_is_sized_on_the_loss_and_its_fuel_on_the_coldest_day() -> None:
    r = reported(heated(max_w=3000.0, min_w=900.0, tank_volume_l=30.0))
    p, h = r.warmth, r.warmth.heaters["h"]
    size = calculate(
        "heater-size",
        {"ua_w_k": p.ua_w_k, "indoor_temp_c": p.indoor_c, "design_outdoor_temp_c": p.cold_c, "heater_max_w": 3000, "heater_min_w": 900, "altitude_m": 4},
    ).dump()
    assert h.needed_w == pytest.approx(size["needed_w"], rel=1e-3)
    assert h.cycles_above_c == pytest.approx(size["cycles_above_temp_c"], abs=0.05)
    fuel = calculate(
        "heater-fuel",
        {
            "fuel": "diesel",
            "heat_w": p.heat_loss_w,
            "heater_max_w": 3000,
            "heater_min_w": 900,
            "tank_volume_l": 30,
            "tank_usable_frac": 0.75,
            "run_power_min_w": 8,
            "run_power_max_w": 30,
        },
    ).dump()
    assert h.fuel_l_day == pytest.approx(fuel["fuel_l_day"])
    assert h.autonomy_days == pytest.approx(fuel["autonomy_days"])
    assert r.figures["heaters/h/autonomy_days"]["value"] == pytest.approx(fuel["autonomy_days"])


def test_the_year_is_coldest_when_it_is_and_counts_the_months_of_the_plan() -> None:
    p = reported(heated()).warmth
    assert max(p.months, key=lambda m: m.heat_w).month in ("January", "December", "February")
    assert [m.month for m in p.months if m.planned] == ["January", "February", "December"]
    assert p.year_fuel_l == pytest.approx(sum(m.fuel_l or 0 for m in p.months if m.planned))
    warm_place = warm({"place": "alice_springs"}, heaters=[HEATER])
    summer = next(m for m in reported(warm_place).warmth.months if m.month == "January")
    assert summer.heat_w == 0
    assert summer.fuel_l == 0


def test_two_heaters_help_each_other() -> None:
    one, two = (reported(warm(heaters=h)) for h in ([{**HEATER, "max_w": 1500.0}], [{**HEATER, "max_w": 1500.0}, {**HEATER, "id": "h2", "max_w": 1500.0}]))
    assert "warm-heater-undersized" in {f.rule for f in one.findings}
    assert "warm-heater-undersized" not in {f.rule for f in two.findings}
    assert two.warmth.warm_up is not None
    assert one.warmth.warm_up is not None
    assert two.warmth.warm_up.power_w > one.warmth.warm_up.power_w


def test_the_warm_up_curve_begins_cold_and_ends_warm() -> None:
    up = reported(heated()).warmth.warm_up
    assert up is not None
    assert up.curve_c[0] == up.start_c
    assert up.curve_c == sorted(up.curve_c)
    assert up.curve_c[-1] == pytest.approx(20)
    assert up.first_min is not None
    assert up.whole_min is not None
    assert up.whole_min > up.first_min


# ducts and loop


def test_what_the_ducts_bring_and_lose_is_what_the_heater_gives() -> None:
    r = reported(ducted({**RUN, "lies": "outside"}, {**RUN, "id": "two", "zone": "cab", "insulation_mm": 13.0}, heater={"outlet_biases": [1.1, 0.9]})).warmth
    assert r.layout is not None
    given_out = sum(d.delivered_w + d.loss_w for d in r.ducts.values())
    assert given_out == pytest.approx(min(4000, r.needed_w), rel=0.02)
    assert sum(d.flow_m3_h for d in r.ducts.values()) == pytest.approx(r.layout.total_flow_m3_h)


def test_a_zone_without_a_run_is_left_to_the_living_spaces() -> None:
    r = reported(ducted(RUN)).warmth
    assert r.zones["cab"].brought_w is None or r.zones["cab"].brought_w == 0
    assert r.ducts["one"].need_w > 0.8 * r.needed_w - r.ducts["one"].loss_w


def test_a_trunk_carries_what_its_branches_get() -> None:
    r = reported(
        ducted(
            {**RUN, "grille": "none"}, {**RUN, "id": "a", "parent": "one", "joint": "tee_branch"}, {**RUN, "id": "b", "parent": "one", "joint": "tee_straight"}
        )
    ).warmth
    assert r.ducts["one"].trunk
    assert r.ducts["one"].flow_m3_h == pytest.approx(r.ducts["a"].flow_m3_h + r.ducts["b"].flow_m3_h)
    assert r.ducts["b"].flow_m3_h > r.ducts["a"].flow_m3_h, "a tee's side takes less"


def test_a_shut_run_gives_its_air_to_the_others() -> None:
    both, one = (reported(ducted(RUN, {**RUN, "id": "two", "open": o}, heater={"outlet_biases": [1.0, 1.0]})).warmth for o in (True, False))
    assert one.ducts["one"].flow_m3_h > both.ducts["one"].flow_m3_h
    assert one.ducts["two"].flow_m3_h == 0


def test_the_loop_throttles_all_but_the_worst_zone() -> None:
    zones = [
        {"id": "near", "name": "Near", "rated_w": 1500.0, "pipe_length_m": 2.0},
        {"id": "far", "name": "Far", "rated_w": 1500.0, "pipe_length_m": 20.0},
        {"id": "shut", "name": "Shut", "rated_w": 900.0, "pipe_length_m": 2.0, "open": False},
    ]
    p = reported(looped(zones)).warmth.loop
    assert p is not None
    assert set(p.zones) == {"near", "far"}
    assert p.zones["far"].throttle_kpa == 0
    assert p.zones["near"].throttle_kpa == pytest.approx(p.zones["far"].drop_kpa - p.zones["near"].drop_kpa)
    assert p.flow_l_min == pytest.approx(sum(z.flow_l_min for z in p.zones.values()))


def test_an_emitter_gives_what_its_kind_gives() -> None:
    def heat(**z: Any) -> float:
        p = reported(looped([{"id": "z", "name": "Z", "rated_w": 1000.0, "pipe_length_m": 4.0, **z}], supply_c=75.0)).warmth.loop
        assert p is not None
        return p.zones["z"].heat_w

    assert heat(emitter="convector") == pytest.approx(1000)
    assert heat(emitter="fan_coil") == pytest.approx(1000)
    assert heat(emitter="fan_coil", ua_w_k=30.0) == pytest.approx(1500)
    assert heat(emitter="floor", area_m2=4.0) == pytest.approx(4 * 8.92 * 7**1.1)
    assert heat(emitter="calorifier") == 1000


def test_hot_water_is_limited_by_the_furnace() -> None:
    p = reported(looped([WATER], hot_water_l_min=4.0)).warmth.loop
    assert p is not None
    assert p.hot_water_c == pytest.approx(10 + 5000 / (983 * 4185 * 4 / 60000), rel=0.01)


# air


def test_what_gives_off_moisture_is_what_was_said() -> None:
    ctx = context(
        warm(
            damp={
                "meals_per_day": 0.0,
                "showers_per_day": 0.0,
                "wet_coats_per_day": 2.0,
                "wet_clothes_kg_per_day": 1.0,
                "dogs": 2,
                "hob_kw": 2.0,
                "hob_h_per_day": 1.0,
            }
        )
    )
    names = {s.name: s.mean_g_h for s in damp_sources(ctx, asleep=False)}
    assert names["wet coats"] == pytest.approx(2 * 300 / 16)
    assert names["wet clothes"] == pytest.approx(550 / 16)
    assert names["dogs"] == 40
    assert names["hob"] == pytest.approx(2 * 127 * 1.5 / 24)
    assert {s.name for s in damp_sources(ctx, asleep=True)} == {"people asleep", "dogs"}


def test_clothes_in_a_drying_cupboard_don_t_wet_the_room_unless_it_vents_inside() -> None:
    cupboard = {"water_g": 1200.0, "hours": 8.0, "flow_m3_h": 40.0}
    outside, inside = (reported(warm(damp={"wet_clothes_kg_per_day": 2.0}, drying={**cupboard, "vented": v})).warmth.air for v in ("outside", "inside"))
    hung = reported(warm(damp={"wet_clothes_kg_per_day": 2.0})).warmth.air
    assert outside.day_g_h < inside.day_g_h < hung.day_g_h + 60
    assert inside.day_g_h - outside.day_g_h == pytest.approx(50)


def test_fixed_vents_move_air_by_warmth_alone_and_cost_heat() -> None:
    none, some = reported(warm()), reported(warm(vents=VENTS))
    assert some.warmth.air.night_flow_m3_h > none.warmth.air.night_flow_m3_h + 5
    assert some.warmth.heat_loss_w > none.warmth.heat_loss_w + 50
    assert some.warmth.air.co2_at_end_ppm < none.warmth.air.co2_at_end_ppm
    assert some.warmth.air.night_rh_frac < none.warmth.air.night_rh_frac


def test_warm_nights_are_slept_with_open_windows() -> None:
    hot, cold = (context(warm({"place": p, "from_month": m, "to_month": m})) for p, m in (("alice_springs", 1), ("inverness", 1)))
    assert month_cold(hot) > 16 > month_cold(cold)
    assert warmth_part(hot).part.air.night_flow_m3_h > 150


def test_inlets_are_windows_by_day_and_gaps_where_there_is_nothing() -> None:
    bare = context(warm())
    assert inlets(bare, True) == inlets(bare, False) == 6000
    pane = context(
        warm(
            openings=[{"id": "w", "name": "W", "on": "left", "width_m": 0.5, "height_m": 0.4}],
            vents=[{"id": "l", "name": "L", "kind": "fixed_low", "free_area_mm2": 5000.0}],
        )
    )
    assert (inlets(pane, True), inlets(pane, False)) == (5000, 45000)


def test_nights_are_damper_than_days_outside() -> None:
    ctx = context(warm())
    m = min(ctx.months, key=lambda x: ctx.climate.tmin_c[x - 1])
    assert ctx.climate.rh_frac[m - 1] < outdoor_rh(ctx) <= 1


def test_gas_vents_are_asked_for_only_where_gas_burns_in_the_room() -> None:
    assert reported(warm()).warmth.air.gas_high_mm2 is None
    assert reported(heated(fuel="propane")).warmth.air.gas_high_mm2 is None, "room-sealed"
    flued = reported(heated(fuel="propane", room_sealed=False)).warmth.air
    assert flued.gas_high_mm2 is not None
    assert flued.gas_ok is False, "no vent is there yet"


# summer


def test_the_sun_goes_round_the_van() -> None:
    ctx = context(warm({"place": "alice_springs", "from_month": 1, "to_month": 1}))
    sun = sun_on(ctx, 1, 1.0)
    assert max(range(24), key=lambda h: sun["right"][h]) < 12 < max(range(24), key=lambda h: sun["left"][h]), (
        "nose to the north: the right side has the morning"
    )
    assert sun["roof"].max() > 950
    assert sun["floor"].max() == 0
    turned = sun_on(context(warm({"place": "alice_springs", "from_month": 1, "to_month": 1}, heading_deg=180.0)), 1, 1.0)
    assert turned["left"] == pytest.approx(sun["right"])


def test_panels_on_a_gap_shade_the_roof() -> None:
    hot = {"place": "alice_springs", "from_month": 1, "to_month": 1}
    panels = {"id": "p", "name": "Panels", "panel_power_w": 400.0, "vmp_v": 33.0, "imp_a": 12.0, "voc_v": 39.6, "isc_a": 12.9, "parallel_count": 2}
    bare, shaded = (reported(warm(hot, power=p)).warmth.cool for p in ({"bank": BANK}, {"bank": BANK, "arrays": [panels]}))
    assert shaded.total_w < bare.total_w
    assert roof_shaded(context(warm(hot, power={"arrays": [panels]})), 5.0) == pytest.approx(0.8)
    assert roof_shaded(context(warm(hot)), 5.0) == 0


def test_shade_and_covers_take_the_suns_heat_off() -> None:
    hot = {"place": "alice_springs", "from_month": 1, "to_month": 1}
    open_, shaded = (
        reported(warm(hot, surfaces=s)).warmth.cool
        for s in ([], [{"id": "cab_windscreen", "shade_transmit_frac": 0.15}, {"id": "cab_side_glass", "shade_transmit_frac": 0.15}])
    )
    assert shaded.total_w < open_.total_w - 200
    assert max(shaded.free_c) < max(open_.free_c)


def test_the_bank_carries_a_cooler_as_long_as_the_calculator_says() -> None:
    hot = {"place": "alice_springs", "from_month": 1, "to_month": 1}
    r = reported(warm(hot, power={"bank": BANK}, cooler={"name": "C", "capacity_w": 6000.0, "eer": 3.0})).warmth.cool
    out = calculate("ac-battery-hours", {"cooling_load_w": r.total_w, "capacity_w": 6000, "eer": 3.0, "supply": "native_12v", "battery_energy_wh": 2560}).dump()
    assert r.bank_h == pytest.approx(out["time_h"])
    assert r.run_w == pytest.approx(2000)
    assert 0 < (r.day_wh or 0) < 24 * 2000


def test_a_cabinet_a_bay_and_the_drying_by_their_calculators() -> None:
    bay = {"id": "b", "name": "Bay", "ua_to_living_w_k": 2.0, "ua_to_outside_w_k": 4.0, "heat_w": 10.0}
    r = reported(warm(cabinets=[CABINET], bays=[bay], drying={"water_g": 800.0, "hours": 8.0, "flow_m3_h": 60.0})).warmth
    out = calculate("buffer-temp", {"indoor_temp_c": r.night_c, "outdoor_temp_c": r.cold_c, "ua_to_living_w_k": 2, "ua_to_outside_w_k": 4, "heat_w": 10}).dump()
    assert r.bays["b"].temp_c == pytest.approx(out["buffer_temp_c"])
    assert r.cabinets["c"].temp_c is not None
    assert r.drying is not None
    assert r.drying.needs_g_h == 100
    assert r.drying.temp_c < r.indoor_c, "drying cools the air"
    warmer = reported(ducted(RUN, drying={"water_g": 800.0, "hours": 8.0, "flow_m3_h": 60.0, "duct": "one"})).warmth.drying
    assert warmer is not None
    assert warmer.carries_g_h > r.drying.carries_g_h
    nothing = reported(warm(drying={"water_g": 0.0, "hours": 8.0, "flow_m3_h": 60.0})).warmth.drying
    assert nothing is not None
    assert nothing.works


# any design


LAYER = st.tuples(st.sampled_from(["air_gap", *materials()]), st.floats(1, 120), st.booleans())
ODD = st.fixed_dictionaries(
    {
        "preset": st.sampled_from(sorted(PRESETS)),
        "place": st.sampled_from(sorted(climates())),
        "cab": st.sampled_from([None, "open", "curtain", "bulkhead", "none"]),
        "colour": st.sampled_from(["white", "dark"]),
        "layers": st.lists(LAYER, max_size=5),
        "month": st.integers(1, 12),
        "leak": st.floats(0.05, 20),
        "heater": st.sampled_from([None, "diesel", "propane", "wood", "electric"]),
        "ducts": st.integers(0, 5),
        "people": st.integers(1, 8),
        "side": st.sampled_from(["floor", "roof", "left", "cab_roof"]),
        "opening": st.floats(0.1, 6),
        "cooler": st.booleans(),
        "altitude": st.booleans(),
    }
)


@given(odd=ODD)
@settings(max_examples=60, deadline=None)
def test_no_design_however_odd_breaks_it(odd: dict[str, Any]) -> None:
    """Every number is finite, heat adds up, and every finding says something of something."""
    layers = [{"id": f"l{i}", "material": m, "thickness_mm": mm, "over_ribs": over} for i, (m, mm, over) in enumerate(odd["layers"])]
    data = warm(
        {"place": odd["place"], "from_month": odd["month"], "to_month": odd["month"], "people": odd["people"]},
        leak_per_h=odd["leak"],
        colour=odd["colour"],
        cab=odd["cab"] if PRESETS[odd["preset"]].alternator_a > 0 and odd["preset"] not in ("truck_body", "truck_camper", "boat") else None,
        build_ups=[{"id": "b", "name": "B", "layers": layers, "rib_spacing_mm": 2000.0}],
        surfaces=[{"id": odd["side"], "build_up": "b"}],
        openings=[{"id": "o", "name": "O", "on": "left", "width_m": odd["opening"], "height_m": 0.5}],
        heaters=[{**HEATER, "fuel": odd["heater"], "outlet_biases": [1.0] * 5}] if odd["heater"] else [],
        ducts=[{**RUN, "id": f"d{i}", "zone": ["living", "cab"][i % 2]} for i in range(odd["ducts"])],
        cooler={"name": "C", "capacity_w": 2000.0} if odd["cooler"] else None,
        loop=LOOP,
        alarms=[SMOKE],
        vents=VENTS,
    )
    data["vehicle"] = {"preset": odd["preset"]}
    r = report(load_design(data))
    p = r.warmth
    assert sum(s.heat_w for s in p.surfaces.values()) + p.air_w == pytest.approx(p.heat_loss_w)
    numbers = [
        p.heat_loss_w,
        p.needed_w,
        p.cool.total_w,
        *p.cool.free_c,
        *p.winter_need_w,
        p.air.night_rh_frac,
        p.air.co2_at_end_ppm,
        *(s.u_w_m2k for s in p.surfaces.values()),
    ]
    assert all(math.isfinite(x) for x in numbers)
    assert all(f.message and f.subject and f.subject_name for f in r.findings if f.stage == "warmth")
    assert len({f.id for f in r.findings}) == len(r.findings), "no finding twice"


@pytest.mark.parametrize("b", BUILD_UPS, ids=lambda b: b.id)
def test_a_preset_is_a_build_up_of_the_document(b: Any) -> None:
    assert Warmth.model_validate({"build_ups": [b.model_dump(mode="json")]}).build_ups[0] == b


def test_wool_dries_nowhere_faster_than_it_is_wetted() -> None:
    """The warmer it is outside, the less gathers in the wall."""
    wet = []
    for cold in (-15.0, -10.0, -5.0, 0.0, 5.0):
        data = wall(PLY, WOOL)
        data["warmth"]["design_cold_c"] = cold
        wet.append(reported(data).warmth.build_ups["b/horizontal"].condensation_g_m2_day)
    assert wet == sorted(wet, reverse=True)
