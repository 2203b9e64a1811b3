"""Every rule of warmth: a design that raises it, and the same design mended, which does not."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.design.edit import apply_patch
from bothy.core.finding import RULES
from bothy.core.report import report
from tests.core.test_dangers import CASES as DANGERS
from tests.designs import BANK, LAMP, found, lived, made
from tests.rule_cases import after_its_remedy, raised_only_there

WINTER = {"place": "inverness", "from_month": 12, "to_month": 2}
HOT = {"place": "alice_springs", "from_month": 12, "to_month": 2}
FOAM = {"id": "foam", "material": "elastomeric_foam", "thickness_mm": 38.0}
PLY = {"id": "ply", "material": "plywood", "thickness_mm": 4.0, "over_ribs": True}
WOOL = {"id": "wool", "material": "sheep_wool", "thickness_mm": 50.0}
FOIL = {"id": "foil", "material": "vapour_foil", "thickness_mm": 0.2}
GAP = {"id": "gap", "material": "air_gap", "thickness_mm": 15.0}
BUBBLE = {"id": "bubble", "material": "bubble_foil", "thickness_mm": 4.0}
HEATER = {"id": "h", "name": "Air heater", "max_w": 4000.0, "min_w": 200.0, "air_flow_m3_h": 200.0, "run_min_w": 8.0, "run_max_w": 30.0}
RUN = {"id": "one", "name": "Run one", "length_m": 1.0, "diameter_mm": 90.0}
LOOP = {"pump_head_max_m": 4.0, "pump_flow_max_l_min": 30.0, "zones": [{"id": "z", "name": "Coil", "rated_w": 2500.0, "pipe_length_m": 4.0}]}
WATER = {"id": "w", "name": "Exchanger", "emitter": "exchanger", "rated_w": 4000.0, "ua_w_k": 600.0, "pipe_length_m": 2.0}
FURNACE = {"id": "furnace", "name": "Furnace", "kind": "heating", "power_w": 20.0, "hours_per_day": 8.0}
AIR_CON = {"id": "ac", "name": "Air conditioner", "kind": "cooling", "power_w": 900.0, "hours_per_day": 4.0}
BLOWER = {"id": "blower", "name": "Roof fan", "kind": "fan", "power_w": 30.0, "hours_per_day": 4.0}
COOLER = {"name": "Cooler", "capacity_w": 9000.0}
CABINET = {"id": "c", "name": "Cabinet", "heat_w": 20.0, "case_area_m2": 2.0, "low_mm2": 30000.0, "high_mm2": 30000.0}
SMOKE = {"id": "smoke", "kind": "smoke", "name": "Smoke alarm"}
CO = {"id": "co", "kind": "co", "name": "CO alarm", "burner_mm": 1500.0}
VENTS = [
    {"id": "high", "name": "High", "kind": "fixed_roof", "free_area_mm2": 15000.0},
    {"id": "low", "name": "Low", "kind": "fixed_low", "free_area_mm2": 15000.0},
]
FAN = {"id": "fan", "name": "Roof fan", "flow_max_m3_h": 150.0, "free_area_mm2": 20000.0, "at_night": True}


def warm(life: dict[str, Any] | None = None, power: dict[str, Any] | None = None, **warmth: Any) -> dict[str, Any]:
    """A lived-in van in an Inverness winter, with something said of its warmth."""
    data = lived(power=power, **{**WINTER, **(life or {})})
    data["warmth"] = {"margin_frac": 0.2, "leak_per_h": 1.0, **warmth}
    return data


def wall(*layers: dict[str, Any], on: str = "left", **build: Any) -> dict[str, Any]:
    """A design with one build-up on one surface."""
    own = {k: build.pop(k) for k in ("school",) if k in build}
    return warm(build_ups=[{"id": "b", "name": "Build-up", "layers": list(layers), **build}], surfaces=[{"id": on, "build_up": "b"}], **own)


def heated(**routes: Any) -> dict[str, Any]:
    more = {k: routes.pop(k) for k in ("room_sealed", "altitude_kit", "max_w", "min_w", "tank_volume_l", "run_max_w", "fuel", "kind") if k in routes}
    return warm(heaters=[{**HEATER, **more, "routes": routes}])


def ducted(*ducts: dict[str, Any], heater: dict[str, Any] | None = None, **more: Any) -> dict[str, Any]:
    return warm(heaters=[{**HEATER, **(heater or {})}], ducts=list(ducts), **more)


def looped(zones: list[dict[str, Any]] | None = None, **loop: Any) -> dict[str, Any]:
    return warm(heaters=[{**HEATER, "kind": "coolant", "max_w": 5000.0}], loop={**LOOP, **({"zones": zones} if zones is not None else {}), **loop})


def open_hob(**more: Any) -> dict[str, Any]:
    return warm(damp={"hob_kw": 3.0, "hob_h_per_day": 1.0, **more.pop("damp", {})}, **more)


CASES: dict[str, tuple[dict[str, Any], dict[str, Any]]] = {
    "warm-shell-u-high": (wall({"id": "c", "material": "lining_carpet", "thickness_mm": 4.0}), wall(PLY, FOAM, on="roof")),
    "warm-cab-glass-share": (
        wall(PLY, FOAM),
        warm(cab="curtain", surfaces=[{"id": "cab_windscreen", "cover": "screen_inside"}, {"id": "cab_side_glass", "cover": "screen_inside"}]),
    ),
    "warm-rib-share": (wall(PLY, WOOL, rib_spacing_mm=600.0), wall(PLY, WOOL)),
    "warm-void": (wall(PLY, FOAM, void_frac=0.1), wall(PLY, FOAM, void_frac=0.01)),
    "warm-foil-no-gap": (wall(PLY, BUBBLE), wall(PLY, BUBBLE, {**GAP, "foil": True})),
    "warm-rigid-on-curve": (
        wall({"id": "x", "material": "xps", "thickness_mm": 30.0}, on="roof", strip_mm=600.0, radius_m=2.0),
        wall({"id": "x", "material": "xps", "thickness_mm": 30.0}, on="roof", strip_mm=200.0, radius_m=2.0),
    ),
    "warm-headroom": (warm(tallest_m=1.9), warm(tallest_m=1.6)),
    "warm-floor-crush": (
        wall({"id": "p", "material": "birch_plywood", "thickness_mm": 12.0}, WOOL, on="floor"),
        wall({"id": "p", "material": "birch_plywood", "thickness_mm": 12.0}, {"id": "x", "material": "xps", "thickness_mm": 30.0}, on="floor"),
    ),
    "warm-drain-blocked": (wall(PLY, FOAM, drain_blocked=True), wall(PLY, FOAM)),
    "warm-deadening-over": (
        wall({"id": "d", "material": "butyl_deadening", "thickness_mm": 2.0, "coverage_frac": 0.9}),
        wall({"id": "d", "material": "butyl_deadening", "thickness_mm": 2.0, "coverage_frac": 0.35}),
    ),
    "warm-surface-wet": (wall({"id": "c", "material": "lining_carpet", "thickness_mm": 1.0}), warm(leak_per_h=3.0)),
    "warm-glass-wet": (
        warm(night_temp_c=16.0),
        warm(
            night_temp_c=16.0, leak_per_h=2.0, surfaces=[{"id": "cab_windscreen", "cover": "cover_outside"}, {"id": "cab_side_glass", "cover": "screen_inside"}]
        ),
    ),
    "warm-mould-risk": (wall({"id": "c", "material": "pe_foam", "thickness_mm": 4.0}), warm(cab="none", surfaces=[], build_ups=[])),
    "warm-interstitial": (wall(PLY, WOOL), wall(PLY, FOAM)),
    "warm-interstitial-small": (wall(PLY, {"id": "x", "material": "xps", "thickness_mm": 40.0}), wall(PLY, FOAM)),
    "warm-barrier-cold-side": (wall(PLY, WOOL, FOIL, {"id": "w2", "material": "sheep_wool", "thickness_mm": 10.0}), wall(PLY, FOIL, WOOL)),
    "warm-fibre-no-barrier": (wall(PLY, WOOL), wall(PLY, FOIL, WOOL)),
    "warm-trapped-moisture": (wall(PLY, FOIL, WOOL), wall(PLY, WOOL)),
    "warm-air-leak": (wall(PLY, FOIL, WOOL, school="barrier"), wall(PLY, FOIL, WOOL)),
    "warm-humidity-high": (warm(leak_per_h=0.2, damp={"wet_clothes_kg_per_day": 4.0}), warm(leak_per_h=3.0)),
    "warm-cannot-dry-by-air": (warm(night_temp_c=1.0, design_cold_c=-9.0), warm()),
    "warm-unflued-heating": (open_hob(damp={"hob_heats": True}), open_hob()),
    "warm-gas-vent-small": (open_hob(vents=[VENTS[1]]), open_hob(vents=VENTS)),
    "warm-gas-vent-closable": (open_hob(vents=[{**VENTS[0], "closable": True}, VENTS[1]]), open_hob(vents=VENTS)),
    "warm-co-alarm": (heated(), warm(heaters=[HEATER], alarms=[CO])),
    "warm-co-alarm-place": (warm(alarms=[{**CO, "burner_mm": 300.0}]), warm(alarms=[CO])),
    "warm-smoke-alarm": (warm(), warm(alarms=[SMOKE])),
    "warm-co-level": (
        open_hob(leak_per_h=0.2),
        open_hob(vents=[*VENTS, {**FAN, "flow_max_m3_h": 900.0}, {"id": "w", "name": "Window", "kind": "window", "free_area_mm2": 200000.0}]),
    ),
    "warm-co2-high": (warm(), warm(vents=VENTS, leak_per_h=2.0)),
    "warm-co2-danger": (warm(life={"people": 4}, leak_per_h=0.1), warm()),
    "warm-inlet-small": (
        warm(vents=[{**FAN, "flow_max_m3_h": 1400.0}]),
        warm(vents=[{**FAN, "flow_max_m3_h": 90.0}, {"id": "w", "name": "Window", "kind": "window", "free_area_mm2": 60000.0, "at_night": True}]),
    ),
    "warm-backdraught": (
        warm(heaters=[{**HEATER, "kind": "stove", "fuel": "wood", "room_sealed": False}], vents=[{**FAN, "flow_max_m3_h": 600.0}]),
        warm(heaters=[HEATER], vents=[{**FAN, "flow_max_m3_h": 600.0}]),
    ),
    "warm-shower-extract": (
        warm(damp={"showers_per_day": 1.0}),
        warm(damp={"showers_per_day": 1.0}, vents=[{**FAN, "kind": "extract", "flow_max_m3_h": 90.0}]),
    ),
    "warm-heater-undersized": (heated(max_w=1000.0), heated()),
    "warm-heater-oversized": (heated(max_w=12000.0), heated()),
    "warm-heater-cycling": (heated(min_w=1500.0), heated()),
    "warm-heater-altitude": (warm(life={"place": "denver"}, heaters=[HEATER]), warm(life={"place": "denver"}, heaters=[{**HEATER, "altitude_kit": True}])),
    "warm-combustion-air": (heated(intake_inside=True), heated()),
    "warm-exhaust-opening": (heated(exhaust_end_mm=300.0), heated(exhaust_end_mm=600.0)),
    "warm-exhaust-under": (heated(exhaust_end="under"), heated(exhaust_end="side")),
    "warm-exhaust-joint": (heated(joint_inside=True), heated()),
    "warm-exhaust-heat": (heated(exhaust_to_combustible_mm=60.0), heated(exhaust_to_combustible_mm=60.0, exhaust_sleeved=True)),
    "warm-exhaust-length": (
        heated(exhaust_low_point=True),
        heated(exhaust_low_point=True, exhaust_drain=True, exhaust_length_mm=1500.0, exhaust_bends_deg=180.0),
    ),
    "warm-fuel-joint": (heated(fuel_joint_inside=True), heated()),
    "warm-fuel-pump": (heated(pump_slope_deg=5.0), heated(pump_slope_deg=25.0, suction_m=0.5)),
    "warm-heater-access": (heated(service_clear_mm=100.0), heated(service_clear_mm=250.0)),
    "warm-heater-purge": (heated(feed_switched=True), heated()),
    "warm-fuel-days": (heated(tank_volume_l=5.0), heated(tank_volume_l=100.0)),
    "warm-heater-energy": (
        warm(power={"bank": {**BANK, "unit_charge_ah": 100.0}}, heaters=[{**HEATER, "run_max_w": 90.0, "run_min_w": 40.0}]),
        warm(power={"bank": {**BANK, "parallel_count": 3}}, heaters=[HEATER]),
    ),
    "warm-wood-clearance": (heated(fuel="wood", kind="stove", room_sealed=False), heated()),
    "warm-duct-shortfall": (
        ducted(RUN, {**RUN, "id": "two", "zone": "cab", "diameter_mm": 60.0, "length_m": 5.0, "bends_90": 3}, heater={"outlet_biases": [1.0, 1.0]}),
        ducted(RUN, {**RUN, "id": "two"}, heater={"outlet_biases": [1.0, 1.0]}),
    ),
    "warm-duct-assignment": (
        ducted(
            {**RUN, "zone": "living", "outlet": 2, "length_m": 5.0, "diameter_mm": 60.0},
            {**RUN, "id": "two", "zone": "cab", "outlet": 1, "length_m": 0.3},
            heater={"outlet_biases": [1.4, 0.6]},
        ),
        ducted(
            {**RUN, "zone": "living", "outlet": 1, "length_m": 5.0, "diameter_mm": 60.0},
            {**RUN, "id": "two", "zone": "cab", "outlet": 2, "length_m": 0.3},
            heater={"outlet_biases": [1.4, 0.6]},
        ),
    ),
    "warm-duct-loss": (ducted({**RUN, "lies": "outside", "length_m": 3.0}), ducted({**RUN, "lies": "outside", "length_m": 1.0, "insulation_mm": 20.0})),
    "warm-duct-long": (ducted({**RUN, "diameter_mm": 60.0, "length_m": 7.0}), ducted(RUN)),
    "warm-duct-closable": (ducted({**RUN, "closable": True}), ducted(RUN)),
    "warm-duct-hot": (ducted({**RUN, "diameter_mm": 40.0, "length_m": 6.0}), ducted(RUN, {**RUN, "id": "two"}, heater={"outlet_biases": [1.0, 1.0]})),
    "warm-return-small": (ducted(RUN, return_area_mm2=2500.0), ducted(RUN, return_area_mm2=60000.0)),
    "warm-return-source": (ducted(RUN, return_from="gas_locker"), ducted(RUN)),
    "warm-grille-fabric": (ducted({**RUN, "to_fabric_mm": 80.0}), ducted({**RUN, "to_fabric_mm": 400.0})),
    "warm-frost-bay": (
        warm(bays=[{"id": "b", "name": "Bay", "ua_to_living_w_k": 1.0, "ua_to_outside_w_k": 6.0}]),
        warm(bays=[{"id": "b", "name": "Bay", "ua_to_living_w_k": 9.0, "ua_to_outside_w_k": 1.0}]),
    ),
    "warm-loop-heat": (looped([{**LOOP["zones"][0], "rated_w": 300.0}]), looped()),
    "warm-loop-pump": (looped(pump_head_max_m=0.1), looped()),
    "warm-loop-velocity": (looped(pipe_inner_mm=6.0), looped()),
    "warm-loop-air": (looped(high_point_without_bleed=True), looped()),
    "warm-loop-expansion": (looped(header_space_l=0.05), looped(header_space_l=5.0)),
    "warm-glycol-frost": (looped(fluid="water"), looped(fluid="pg50")),
    "warm-glycol-potable": (looped([WATER], fluid="eg50"), looped([WATER], fluid="eg50", double_wall=True)),
    "warm-dhw-cold": (looped([WATER], hot_water_l_min=8.0), looped([WATER], hot_water_l_min=1.5)),
    "warm-dhw-scald": (looped([WATER]), looped([WATER], mixing_valve=True)),
    "warm-floor-hot": (
        looped([{"id": "f", "name": "Floor", "emitter": "floor", "rated_w": 400.0, "area_m2": 3.0, "floor_c": 33.0, "pipe_length_m": 10.0}]),
        looped([{"id": "f", "name": "Floor", "emitter": "floor", "rated_w": 400.0, "area_m2": 3.0, "floor_c": 27.0, "pipe_length_m": 10.0}]),
    ),
    "warm-heater-uncounted": (heated(), warm({"appliances": [LAMP, FURNACE]}, heaters=[{**HEATER, "appliance": "furnace"}])),
    "warm-cooler-uncounted": (warm(HOT, cooler=COOLER), warm({**HOT, "appliances": [AIR_CON]}, cooler={**COOLER, "appliance": "ac"})),
    "warm-fan-uncounted": (warm(vents=[{**FAN, "power_max_w": 30.0}]), warm({"appliances": [BLOWER]}, vents=[{**FAN, "power_max_w": 30.0}])),
    "warm-ac-undersized": (warm(HOT, cooler={**COOLER, "capacity_w": 500.0}), warm(HOT, cooler=COOLER)),
    "warm-ac-oversized": (warm(HOT, cooler={**COOLER, "capacity_w": 12000.0, "compressor": "fixed"}), warm(HOT, cooler={**COOLER, "compressor": "variable"})),
    "warm-ac-hours": (
        warm(HOT, power={"bank": BANK}, cooler={**COOLER, "hours_wanted": 20.0}),
        warm(HOT, power={"bank": {**BANK, "parallel_count": 8}}, cooler={**COOLER, "hours_wanted": 2.0}),
    ),
    "warm-ac-surge": (
        warm(
            HOT,
            power={"bank": BANK, "inverter": {"name": "I", "rating_w": 1000.0, "surge_power_w": 2000.0}},
            cooler={**COOLER, "supply": "inverter", "compressor": "fixed"},
        ),
        warm(HOT, power={"bank": BANK, "inverter": {"name": "I", "rating_w": 5000.0, "surge_power_w": 9000.0}}, cooler={**COOLER, "supply": "inverter"}),
    ),
    "warm-ac-hose": (warm(HOT, cooler={**COOLER, "capacity_w": 2000.0, "hose_flow_m3_h": 300.0}), warm(HOT, cooler={**COOLER, "hose_flow_m3_h": 0.0})),
    "warm-heat-danger": (warm(HOT, damp={"dogs": 1}), warm()),
    "warm-roof-dark": (warm(HOT, colour="dark"), warm(HOT, colour="white")),
    "warm-cabinet-hot": (warm(cabinets=[{**CABINET, "heat_w": 200.0, "case_area_m2": 0.1, "low_mm2": 2000.0, "high_mm2": 2000.0}]), warm(cabinets=[CABINET])),
    "warm-fridge-vent": (
        warm(cabinets=[{**CABINET, "absorption_fridge": True, "sealed_from_room": False}]),
        warm(cabinets=[{**CABINET, "absorption_fridge": True}]),
    ),
    "warm-drying-slow": (warm(drying={"water_g": 5000.0, "hours": 2.0, "flow_m3_h": 20.0}), warm(drying={"water_g": 100.0, "hours": 10.0, "flow_m3_h": 60.0})),
    "warm-opening-large": (
        warm(openings=[{"id": "o", "name": "Huge", "on": "rear", "width_m": 5.0, "height_m": 3.0}]),
        warm(openings=[{"id": "o", "name": "Window", "on": "rear", "width_m": 0.5, "height_m": 0.5}]),
    ),
}


def test_every_rule_of_warmth_has_its_case() -> None:
    assert {r for r in RULES if r.startswith("warm-")} == set(CASES) | {r for r in DANGERS if r.startswith("warm-")}


@pytest.mark.parametrize("rule", sorted(CASES))
def test_a_rule_of_warmth_is_raised_where_it_holds_and_not_beside_it(rule: str) -> None:
    raised_only_there(CASES, rule, "warmth")


@pytest.mark.parametrize(
    "rule",
    [
        r
        for r in CASES
        if r
        in (
            "warm-rib-share",
            "warm-cab-glass-share",
            "warm-smoke-alarm",
            "warm-heater-uncounted",
            "warm-cooler-uncounted",
            "warm-fan-uncounted",
            "warm-duct-assignment",
            "warm-duct-loss",
            "warm-glycol-potable",
            "warm-dhw-scald",
            "warm-roof-dark",
        )
    ],
)
def test_a_remedy_that_is_a_definite_change_ends_its_finding(rule: str) -> None:
    assert after_its_remedy(CASES, rule)[1] is None


def test_only_a_missing_heater_is_told_until_somebody_begins_with_it() -> None:
    assert [r for r in found(lived(**WINTER)) if r.startswith("warm-")] == ["warm-heater-missing"]
    assert not [r for r in found(lived()) if r.startswith("warm-")]


COOLANT = {**HEATER, "kind": "coolant", "max_w": 5000.0}


@pytest.mark.parametrize(
    ("design", "says"),
    [
        (warm(heaters=[COOLANT]), "no loop is entered"),
        (looped([]), "No zone of the loop is open"),
        (looped([{**LOOP["zones"][0], "open": False}]), "No zone of the loop is open"),
        (warm(heaters=[HEATER], loop=LOOP), "no coolant heater"),
        (looped([WATER]), "give 0 W"),
    ],
)
def test_the_coolants_heat_comes_from_somewhere_and_goes_somewhere(design: dict[str, Any], says: str) -> None:
    assert says in found(design)["warm-loop-heat"].message


def test_a_loop_for_water_beside_an_air_heater_that_is_enough_is_silent() -> None:
    assert "warm-loop-heat" not in found(warm(heaters=[COOLANT, {**HEATER, "id": "air", "max_w": 5000.0}], loop={**LOOP, "zones": [WATER]}))


def test_the_open_school_makes_a_wet_wall_advice() -> None:
    assert found(wall(PLY, WOOL))["warm-interstitial"].severity == "fault"
    assert found(wall(PLY, WOOL, school="open"))["warm-interstitial"].severity == "advice"
    assert found(wall(PLY, WOOL, school="open"))["warm-fibre-no-barrier"].severity == "note"


def test_deadly_heat_is_a_danger_only_where_somebody_is_left_in_it() -> None:
    assert found(warm(HOT, left_alone=True))["warm-heat-danger"].severity == "danger"
    assert found(warm(HOT))["warm-heat-danger"].severity == "advice"


def test_a_line_that_may_be_the_heater_is_asked_for_and_linked() -> None:
    """It is the furnace of Daily use, or one that is not counted yet: each answer ends the question, and only the second adds a line."""
    for heater, line, rule in ((HEATER, FURNACE, "warm-heater-uncounted"), (COOLER, AIR_CON, "warm-cooler-uncounted")):
        many = {"heaters": [heater]} if "id" in heater else {"cooler": heater}
        design = made(warm({**HOT, "appliances": [LAMP, line]}, **many))
        asked = next(f for f in report(design).findings if f.rule == rule)
        assert asked.severity == "question"
        assert [a.label for a in asked.answers] == [f"It is “{line['name']}”", "It isn’t there yet: enter it"]
        for answer, lines in zip(asked.answers, (2, 3), strict=True):
            after = apply_patch(design, answer.patch)
            assert len(after.life.appliances) == lines
            assert rule not in {f.rule for f in report(after).findings}


@pytest.mark.parametrize(
    ("more", "told"),
    [
        ({"run_min_w": 0.0, "run_max_w": 0.0}, True),
        ({"fuel": "propane"}, True),
        ({"fuel": "propane", "run_min_w": 0.0, "run_max_w": 0.0}, True),
        ({"fuel": "propane", "kind": "stove", "run_min_w": 0.0, "run_max_w": 0.0}, False),
        ({"fuel": "wood", "kind": "stove", "run_min_w": 0.0, "run_max_w": 0.0}, False),
        ({"fuel": "electric", "kind": "electric", "run_min_w": 0.0, "run_max_w": 0.0}, True),
    ],
)
def test_what_takes_current_is_counted(more: dict[str, Any], told: bool) -> None:
    """A burner of liquid fuel glows and pumps whatever is entered, a blown one has a fan; a stove and a gas fire without a fan take nothing."""
    assert ("warm-heater-uncounted" in found(warm(heaters=[{**HEATER, **more}]))) is told


@pytest.mark.parametrize(("fuel", "start_w"), [("diesel", 100.0), ("propane", 28.5)])
def test_the_line_of_a_heater_starts_as_its_fuel_does(fuel: str, start_w: float) -> None:
    fix = found(warm(heaters=[{**HEATER, "fuel": fuel}]))["warm-heater-uncounted"].fix
    line = next(op["value"] for op in fix.patch if op["path"] == "/life/appliances/-")
    assert (line["power_w"], line["min_voltage_v"]) == (19.0, 10.5)
    assert line["power_w"] * line["start_multiple"] == pytest.approx(start_w, rel=0.02)
    assert 0.5 <= line["hours_per_day"] <= 24


def test_an_element_is_a_line_of_the_mains() -> None:
    fix = found(warm(heaters=[{**HEATER, "kind": "electric", "fuel": "electric", "max_w": 1800.0}]))["warm-heater-uncounted"].fix
    line = next(op["value"] for op in fix.patch if op["path"] == "/life/appliances/-")
    assert (line["supply"], line["power_w"]) == ("ac", 1800.0)


def test_blankets_and_heaters_of_water_are_not_the_vehicles_heater() -> None:
    others = [{**FURNACE, "id": f"x{i}", "name": n} for i, n in enumerate(("Heated blanket", "Water heater", "Tank heater", "Telescope dew heater"))]
    f = found(warm({"appliances": [LAMP, *others]}, heaters=[HEATER]))["warm-heater-uncounted"]
    assert f.severity == "fault"
    assert f.fix is not None


@pytest.mark.parametrize(("name", "told"), [("Carbon monoxide alarm", False), ("CO alarm", False), ("Smoke alarm", True), ("Cocoa alarm", True)])
def test_an_alarm_of_daily_use_is_one_by_its_name(name: str, told: bool) -> None:
    alarm = {"id": "alarm", "name": name, "kind": "safety", "power_w": 0.5, "duty_frac": 1.0}
    rules = found(warm({"appliances": [LAMP, alarm]}, heaters=[HEATER]))
    assert ("warm-co-alarm" in rules) is told
    assert ("warm-smoke-alarm" in rules) is (name != "Smoke alarm")
