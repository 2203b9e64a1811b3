"""Dangers, faults and advice that were once silent: each with a design that raises it and a neighbour close to the threshold that does not."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.design.edit import apply_patch
from bothy.core.report import report
from tests.designs import AGM, BANK, CHARGER, DCDC, FRIDGE, INVERTER, KETTLE, LAMP, MPPT, PANELS, blank, circuit, found, lived, made, wired
from tests.rule_cases import Cases, raised_only_there

FLOODED = {**AGM, "chemistry": "flooded"}
RELAY = {"name": "Relay", "school": "relay", "rating_a": 100.0}
WINTER = {"place": "inverness", "from_month": 12, "to_month": 2}
LIGHT = {**LAMP, "power_w": 5.0}


def power(place: str = "warm_inside", life: dict[str, Any] | None = None, appliances: list[dict[str, Any]] | None = None, **parts: Any) -> dict[str, Any]:
    data = lived(appliances, {"bank": BANK, "shore": CHARGER, **parts}, **(life or {}))
    data["vehicle"] = {"bank_place": place, "payload_kg": 900.0}
    return data


def vehicle(data: dict[str, Any], **more: Any) -> dict[str, Any]:
    return {**data, "vehicle": {**data["vehicle"], **more}}


def cold(heater_w: float, **bank: Any) -> dict[str, Any]:
    return power("underfloor", {"place": "tromso", "from_month": 12, "to_month": 2}, bank={**BANK, "heater_power_w": heater_w, **bank})


MAIN = {"id": "main", "name": "Main", "kind": "main", "length_m": 0.5, "area_mm2": 70.0, "fuse_a": 150.0, "fuse_family": "class_t", "fuse_distance_m": 0.1}
FEEDER = {"id": "feeder", "name": "Board feed", "kind": "feeder", "board": "a", "length_m": 1.5, "area_mm2": 16.0, "fuse_a": 40.0}
SHORE_CABLE = {"id": "shore", "name": "Shore charge", "kind": "shore", "length_m": 1.5, "area_mm2": 10.0, "fuse_a": 30.0}


def house(
    *more: dict[str, Any],
    appliances: list[dict[str, Any]] | None = None,
    main: dict[str, Any] | None = None,
    ways: int = 12,
    wiring: dict[str, Any] | None = None,
    **parts: Any,
) -> dict[str, Any]:
    data = wired({**MAIN, **(main or {})}, FEEDER, SHORE_CABLE, *more, appliances=appliances, power={"bank": BANK, "shore": CHARGER, **parts}, ways=ways)
    return {**data, "wiring": {**data["wiring"], "isolator_a": 200.0, **(wiring or {})}}


def rated(total_a: float) -> dict[str, Any]:
    """A board behind a 40 A fuse, for so much in all."""
    data = house()
    data["wiring"]["boards"][0]["total_rating_a"] = total_a
    return data


def mains(
    side: dict[str, Any] | None = None, shore: dict[str, Any] | None = None, region: str = "uk", preset: str | None = None, **more: Any
) -> dict[str, Any]:
    data = power(appliances=[LAMP, KETTLE], shore={**CHARGER, **(shore or {})})
    data["wiring"] = {"mains": side or {}}
    data["region"] = region
    return vehicle(data, **({"preset": preset} if preset else {}), **more)


def boat(data: dict[str, Any], **more: Any) -> dict[str, Any]:
    return vehicle(data, preset="boat", **more)


def gas(**appliance: Any) -> dict[str, Any]:
    return {**power(), "gas": {"appliances": [{"id": "fridge", "name": "Fridge", "kind": "fridge", **appliance}]}}


def station(**limits: Any) -> dict[str, Any]:
    return power(
        appliances=[LAMP, KETTLE], bank={**BANK, "station": {"dc_limit_w": 200.0, "inverter_limit_w": 1200.0, "shore_input_w": 500.0, **limits}}, shore=None
    )


HOB_PIPE = {"gas": {"appliances": [{"id": "hob", "name": "Hob"}], "pipes": [{"id": "p", "name": "Pipe", "appliance": "hob"}]}}


def piped(joint: str) -> dict[str, Any]:
    data = {**power(), **HOB_PIPE}
    return {**data, "gas": {**data["gas"], "pipes": [{**HOB_PIPE["gas"]["pipes"][0], "joint": joint}]}}


def boiler(check: bool) -> dict[str, Any]:
    return {**power(), "water": {"hot": {"kind": "storage", "relief_kpa": 600.0, "relief_outside": True, "check_valve": check, "expansion_l": 1.0}}}


def element(watts: float, supply: str, counted_w: float | None = None) -> dict[str, Any]:
    line = {**LAMP, "id": "boiler", "name": "Boiler", "kind": "heating", "power_w": counted_w}
    hot = {"source": "element", "element_w": watts, "element_supply": supply, "appliance": "boiler" if counted_w else None}
    return {**power(appliances=[LAMP, *([line] if counted_w else [])]), "water": {"hot": hot}}


CASES: Cases = {
    "vehicle-payload-exceeded": (vehicle(power(), payload_kg=97.0), vehicle(power(), payload_kg=99.0)),
    # the battery and where it stands
    "power-lead-gassing": (power(bank=FLOODED), power("underfloor", bank=FLOODED)),
    "power-lead-vent": (power(bank=AGM), power(bank={**AGM, "vent": "outside"})),
    "power-lead-sparks": (power("underfloor", bank={**FLOODED, "beside_sparks": True}), power("underfloor", bank={**FLOODED, "beside_sparks": False})),
    "power-lithium-engine-heat": (power("engine_space"), power("garage")),
    "power-bank-heater-small": (cold(25.0), cold(40.0)),
    "power-nmc-indoors": (
        power(bank={**BANK, "chemistry": "nmc", "unit_voltage_v": 14.6}),
        power("garage", bank={**BANK, "chemistry": "nmc", "unit_voltage_v": 14.6}),
    ),
    "power-lead-deep": (power("garage", bank={**AGM, "usable_frac": 0.55}), power("garage", bank={**AGM, "usable_frac": 0.5})),
    "power-lead-cold-uncompensated": (
        power("garage", WINTER, bank=AGM),
        power("garage", WINTER, bank=AGM, shore={**CHARGER, "profile": {"compensates": True}}),
    ),
    "power-bank-units-mixed": (power(bank={**BANK, "unlike": "kind"}), power(bank={**BANK, "unlike": "none"})),
    "power-bank-age-mixed": (power(bank={**BANK, "unlike": "age"}), power(bank={**BANK, "unlike": "none"})),
    "power-station-inverter-limit": (station(inverter_limit_w=900.0), station(inverter_limit_w=1000.0)),
    "power-station-dc-limit": (station(dc_limit_w=11.0), station(dc_limit_w=12.0)),
    "power-station-solar-voltage": (
        {
            **station(solar_max_power_w=400.0, solar_max_voltage_v=40.0),
            "power": {**station(solar_max_power_w=400.0, solar_max_voltage_v=40.0)["power"], "arrays": [PANELS]},
        },
        {
            **station(solar_max_power_w=400.0, solar_max_voltage_v=50.0),
            "power": {**station(solar_max_power_w=400.0, solar_max_voltage_v=50.0)["power"], "arrays": [PANELS]},
        },
    ),
    "power-station-solar-clipped": (
        {**station(solar_max_power_w=190.0), "power": {**station(solar_max_power_w=190.0)["power"], "arrays": [PANELS]}},
        {**station(solar_max_power_w=200.0), "power": {**station(solar_max_power_w=200.0)["power"], "arrays": [PANELS]}},
    ),
    "power-station-hot": ({**station(), "warmth": {"design_hot_c": 41.0}}, {**station(), "warmth": {"design_hot_c": 39.0}}),
    # sources and voltages
    "power-dcdc-converts": (vehicle(power(driving=DCDC), vehicle_voltage_v=24), vehicle(power(driving=DCDC), vehicle_voltage_v=12)),
    "power-inverter-over-bank": (
        power(appliances=[LAMP], inverter=INVERTER, bank={**BANK, "unit_max_discharge_a": 120.0}),
        power(appliances=[LAMP], inverter=INVERTER, bank={**BANK, "unit_max_discharge_a": 150.0}),
    ),
    "power-solar-over-bank": (
        power(arrays=[PANELS], controller=MPPT, bank={**BANK, "unit_max_charge_a": 15.0}),
        power(arrays=[PANELS], controller=MPPT, bank={**BANK, "unit_max_charge_a": 15.5}),
    ),
    "power-charge-together": (
        power(arrays=[PANELS], controller=MPPT, bank={**BANK, "unit_max_charge_a": 35.0}),
        power(arrays=[PANELS], controller=MPPT, bank={**BANK, "unit_max_charge_a": 35.5}),
    ),
    "power-inverter-small": (
        power(appliances=[KETTLE], inverter={**INVERTER, "surge_power_w": 990.0}),
        power(appliances=[KETTLE], inverter={**INVERTER, "surge_power_w": 1010.0}),
    ),
    "wire-board-overload": (rated(39.0), rated(40.0)),
    "warm-co-alarm": (power(generator={"rating_w": 800.0}), power()),
    "power-solar-high-voltage": (
        power(arrays=[{**PANELS, "series_count": 3}], controller={**MPPT, "max_voltage_v": 250.0}),
        power(arrays=[{**PANELS, "series_count": 2}], controller={**MPPT, "max_voltage_v": 250.0}),
    ),
    "power-relay-voltage": (
        vehicle(power(bank=AGM, driving=RELAY), vehicle_voltage_v=24) | {"power": {"system_voltage_v": 12, "bank": AGM, "driving": RELAY}},
        vehicle(power(bank=AGM, driving=RELAY), vehicle_voltage_v=12, smart_alternator=False),
    ),
    "power-relay-small": (
        vehicle(power(bank={**AGM, "parallel_count": 3}, driving={**RELAY, "rating_a": 70.0}), smart_alternator=False, alternator_rated_a=90.0),
        vehicle(power(bank={**AGM, "parallel_count": 3}, driving={**RELAY, "rating_a": 100.0}), smart_alternator=False, alternator_rated_a=90.0),
    ),
    "power-driving-no-alternator": (vehicle(power(driving=DCDC), preset="trailer"), vehicle(power(driving=DCDC), preset="trailer", alternator_rated_a=120.0)),
    "power-dcdc-no-ignition": (
        vehicle(power(driving={**DCDC, "sense": "voltage"}), smart_alternator=True),
        vehicle(power(driving={**DCDC, "sense": "voltage"}), smart_alternator=False),
    ),
    "power-appliance-voltage": (power(appliances=[{**LAMP, "voltage_v": 24.0}]), power(appliances=[{**LAMP, "voltage_v": 12.0}])),
    "power-appliance-voltage-unsaid": (
        power(appliances=[LAMP], bank={**AGM, "series_count": 2}, system_voltage_v=24),
        power(appliances=[{**LAMP, "voltage_v": 24.0}], bank={**AGM, "series_count": 2}, system_voltage_v=24),
    ),
    "power-mains-no-source": (power(appliances=[KETTLE], shore=None, arrays=[PANELS], controller=MPPT), power(appliances=[KETTLE])),
    "power-bank-unfed": (power(shore=None), power()),
    "power-loads-unfed": (lived([LAMP]), power(appliances=[LAMP])),
    "power-modified-sine-motor": (
        power(appliances=[{**KETTLE, "power_w": 700.0, "electrical": "motor"}], inverter={**INVERTER, "pure_sine": False}),
        power(appliances=[{**KETTLE, "power_w": 700.0, "electrical": "resistive"}], inverter={**INVERTER, "pure_sine": False}),
    ),
    "power-charger-generator": (
        power(shore={"charger_current_a": 60.0}, generator={"rating_w": 800.0}),
        power(shore={"charger_current_a": 60.0}, generator={"rating_w": 1200.0}),
    ),
    "power-array-roof": (
        power(arrays=[{**PANELS, "parallel_count": 4}], controller={**MPPT, "max_charge_current_a": 80.0}),
        power(arrays=[{**PANELS, "parallel_count": 3}], controller=MPPT),
    ),
    "power-panels-unlike": (
        power(arrays=[PANELS, {**PANELS, "id": "two", "tilt_deg": 30.0, "azimuth_deg": 90.0}], controller=MPPT),
        power(arrays=[PANELS, {**PANELS, "id": "two"}], controller=MPPT),
    ),
    # wiring
    "wire-source-unwired": (house(circuit(), driving=DCDC), house(circuit())),
    "wire-trickle-unwired": (
        vehicle(house(circuit()), starter_trickle=True),
        vehicle(house(circuit(), {"id": "t", "name": "Trickle", "kind": "trickle", "length_m": 4.0, "area_mm2": 1.5, "fuse_a": 3.0}), starter_trickle=True),
    ),
    "wire-board-ways": (house(circuit(), circuit("c2"), ways=1), house(circuit(), ways=1)),
    "wire-solid-core": (house(circuit(solid_core=True)), house(circuit())),
    "wire-untinned": (boat(house(circuit(tinned=False))), house(circuit(tinned=False))),
    "wire-always-on": (
        boat(house(circuit(), appliances=[{**LAMP, "name": "Bilge pump", "kind": "pump"}])),
        boat(house(circuit(before_isolator=True), appliances=[{**LAMP, "name": "Bilge pump", "kind": "pump"}])),
    ),
    "wire-ac-wet-room": tuple(lived([{**KETTLE, "kind": "socket", "zone": zone}]) for zone in ("washroom", "living")),
    "wire-isolator-bypassed": (house(circuit(before_isolator=True)), house(circuit())),
    "wire-alarm-shared": (
        house(circuit(appliances=["lamp", "alarm"]), appliances=[{**LAMP, "kind": "socket"}, {**LIGHT, "id": "alarm", "kind": "safety"}]),
        house(circuit(appliances=["alarm"]), circuit("c2"), appliances=[{**LAMP, "kind": "socket"}, {**LIGHT, "id": "alarm", "kind": "safety"}]),
    ),
    "wire-parallel-one-fuse": (house(circuit(), main={"area_mm2": 16.0, "parallel_count": 2}), house(circuit(), main={"area_mm2": 70.0, "parallel_count": 2})),
    "wire-isolator-unsaid": (house(circuit(), wiring={"isolator_a": None}), house(circuit())),
    "wire-isolator-missing": (house(circuit(), wiring={"isolator_a": 0.0}), house(circuit())),
    "wire-main-fuse-unsaid": (house(circuit(), main={"fuse_distance_m": None}), house(circuit())),
    "wire-other-thin": (panels_cable(1.5), panels_cable(4.0))
    if (
        panels_cable := lambda mm2: {
            **power(arrays=[{**PANELS, "parallel_count": 3}], controller=MPPT),
            "wiring": {"others": [{"id": "pv", "kind": "panels", "area_mm2": mm2, "length_m": 3.0}]},
        }
    )
    else ({}, {}),
    "wire-other-drop": (
        {**power(arrays=[PANELS], controller=MPPT), "wiring": {"others": [{"id": "pv", "kind": "panels", "area_mm2": 4.0, "length_m": 20.0}]}},
        {**power(arrays=[PANELS], controller=MPPT), "wiring": {"others": [{"id": "pv", "kind": "panels", "area_mm2": 4.0, "length_m": 15.0}]}},
    ),
    "wire-earth-thin": (
        mains({"chassis_bond_mm2": None}) | {"wiring": {"mains": {}, "others": [{"id": "me", "kind": "mains_earth", "area_mm2": 2.5}]}},
        mains({"chassis_bond_mm2": None}) | {"wiring": {"mains": {}, "others": [{"id": "me", "kind": "mains_earth", "area_mm2": 4.0}]}},
    ),
    "wire-other-missing": (
        house(circuit(), arrays=[PANELS], controller=MPPT),
        house(
            circuit(),
            {"id": "sun", "name": "Sun", "kind": "solar", "length_m": 2.0, "area_mm2": 10.0, "fuse_a": 40.0},
            wiring={"isolator_a": 200.0, "chassis_bond_mm2": 35.0, "others": [{"id": "pv", "kind": "panels", "area_mm2": 4.0, "length_m": 3.0}]},
            arrays=[PANELS],
            controller=MPPT,
        ),
    ),
    # hook-up and mains
    "wire-ac-hookup-lead": (mains({"hookup_mm2": 1.5, "hookup_length_m": 25.0}), mains({"hookup_mm2": 2.5, "hookup_length_m": 25.0})),
    "wire-ac-inlet-protect": (
        mains(shore={"inlet_current_a": 16.0, "supply_current_a": 32.0}),
        mains({"inlet_breaker_a": 16.0}, shore={"inlet_current_a": 16.0, "supply_current_a": 32.0}),
    ),
    "wire-ac-rcd-type": (mains({"rcd_type": "ac"}), mains({"rcd_type": "a"})),
    "wire-ac-galvanic": (mains(preset="boat"), mains({"galvanic": "isolator"}, preset="boat")),
    "wire-ac-surge": (mains(region="us"), mains({"surge": True}, region="us")),
    # gas, water, heat
    "gas-fridge-open": (gas(), gas(room_sealed=True)),
    "gas-joint-wrong-type": (piped("push_fit"), piped("compression")),
    "gas-unlisted": (power(appliances=[LAMP, {**FRIDGE, "name": "Absorption fridge, gas"}]), power(appliances=[LAMP, FRIDGE])),
    "water-hot-no-check": (boiler(False), boiler(True)),
    "water-heater-uncounted": (element(300.0, "dc", 250.0), element(300.0, "dc", 290.0)),
    "water-element-hookup": (element(3700.0, "shore"), element(3600.0, "shore")),
    "warm-heater-missing": (power(life={"place": "london", "from_month": 3, "to_month": 3}), power(life={"place": "london", "from_month": 4, "to_month": 4})),
    "warm-heater-unlisted": (
        power(appliances=[LAMP, {**LAMP, "id": "h", "name": "Diesel air heater", "kind": "heating"}]),
        power(appliances=[LAMP, {**LAMP, "id": "h", "name": "Blanket", "kind": "heating"}]),
    ),
    "warm-opening-nowhere": (
        {**power(), "warmth": {"cab": "open", "openings": [{"id": "w", "on": "front", "width_m": 0.6, "height_m": 0.4}]}},
        {**power(), "warmth": {"cab": "bulkhead", "openings": [{"id": "w", "on": "front", "width_m": 0.6, "height_m": 0.4}]}},
    ),
}


@pytest.mark.parametrize("rule", sorted(CASES))
def test_it_is_told_there_and_not_beside_it(rule: str) -> None:
    raised_only_there(CASES, rule, found(CASES[rule][0])[rule].stage if rule in found(CASES[rule][0]) else "?")


@pytest.mark.parametrize(("bank", "words"), [({**BANK, "unit_max_discharge_a": 100.0}, "its protection opens"), (AGM, "pulls its voltage down")])
def test_what_happens_to_an_inverter_above_its_bank_is_told_by_its_chemistry(bank: dict[str, Any], words: str) -> None:
    assert words in found(power("garage", appliances=[LAMP], inverter={**INVERTER, "rating_w": 3000.0}, bank=bank))["power-inverter-over-bank"].message


@pytest.mark.parametrize(
    ("region", "label_v", "severity"), [("uk", 120.0, "danger"), ("us", 230.0, "fault"), ("us", 120.0, None), ("au", 240.0, None), ("eu", 19.0, None)]
)
def test_a_mains_appliance_for_another_voltage_is_told(region: str, label_v: float, severity: str | None) -> None:
    told = found({**power(appliances=[{**KETTLE, "voltage_v": label_v}]), "region": region}).get("power-appliance-voltage")
    assert (told.severity if told else None) == severity


def test_in_a_split_phase_supply_an_appliance_of_twice_the_voltage_is_right() -> None:
    data = power(appliances=[{**KETTLE, "voltage_v": 240.0}], shore={**CHARGER, "legs": 2, "inlet_current_a": 50.0})
    assert "power-appliance-voltage" not in found({**data, "region": "us"})


@pytest.mark.parametrize(("bank", "severity"), [({**BANK, "unit_max_charge_a": 10.0}, "fault"), ({**AGM, "unit_charge_ah": 20.0}, "advice")])
def test_a_limit_that_is_only_usual_is_advice(bank: dict[str, Any], severity: str) -> None:
    told = found(power(arrays=[PANELS], controller=MPPT, bank=bank))["power-solar-over-bank"]
    assert told.severity == severity
    assert ("typical" in told.message) == (severity == "advice")


@pytest.mark.parametrize(("inlet_a", "board_a", "told"), [(None, 15.0, True), (None, 16.0, False), (32.0, 32.0, False), (33.0, 32.0, True)])
def test_a_mains_board_is_for_what_its_inlet_lets_in(inlet_a: float | None, board_a: float, told: bool) -> None:
    data = mains({"inlet_breaker_a": inlet_a})
    data["wiring"]["boards"] = [
        {"id": "x", "name": "Mains board", "letter": "X", "side": "ac", "way_count": 4, "way_rating_a": 16.0, "total_rating_a": board_a}
    ]
    assert ("wire-board-overload" in found(data)) == told


@pytest.mark.parametrize(("far_a", "told"), [(None, False), (100.0, False), (1000.0, True)])
def test_the_fuse_at_the_other_end_guards_the_cable_too(far_a: float | None, told: bool) -> None:
    between = {"id": "in", "name": "From the starter", "kind": "driving_in", "length_m": 3.0, "area_mm2": 35.0, "fuse_a": 80.0, "far_fuse_a": far_a}
    first = load_design(house(between, driving=DCDC))
    f = next((f for f in report(first).findings if f.rule == "wire-fuse-above-ampacity"), None)
    assert (f is not None) == told
    if f is not None:
        assert f.subject == "in" and f.fix is not None
        assert not any(x.rule == f.rule for x in report(apply_patch(first, f.fix.patch)).findings)


@pytest.mark.parametrize("where", ["element", "tank"])
def test_a_heater_that_nobody_counted_is_entered_with_one_press(where: str) -> None:
    tank = {
        "id": "grey",
        "name": "Grey",
        "holds": "grey",
        "place": "underfloor",
        "heater_w": 60.0,
        "prisms": [{"shape": "box", "length_m": 0.5, "width_m": 0.5, "height_m": 0.2}],
    }
    data = element(600.0, "inverter") if where == "element" else {**power(), "water": {"tanks": [tank]}}
    first = load_design(data)
    told = next(f for f in report(first).findings if f.rule == "water-heater-uncounted")
    assert told.severity == "fault" and told.fix is not None
    done = apply_patch(first, told.fix.patch)
    line = done.life.appliances[-1]
    assert (line.power_w, line.supply, line.away) == ((600.0, "ac", True) if where == "element" else (60.0, "dc", False))
    assert "water-heater-uncounted" not in {f.rule for f in report(done).findings}
    gone = {"op": "remove", "path": f"/life/appliances/{len(done.life.appliances) - 1}"}
    with pytest.raises(BadInput, match="appliance"):
        apply_patch(done, [gone])


@pytest.mark.parametrize(
    ("volts", "name", "asked"),
    [(12, "Lamp", False), (24, "Lamp", True), (24, "Chest fridge, 12/24 V", False), (24, "Lamp, 12 or 24 V", False), (48, "Chest fridge, 12/24 V", True)],
)
def test_what_is_made_for_twelve_volts_is_asked_on_more(volts: int, name: str, asked: bool) -> None:
    data = power(appliances=[{**LAMP, "name": name}], bank={**AGM, "series_count": volts // 12}, system_voltage_v=volts)
    f = found(data).get("power-appliance-voltage-unsaid")
    assert (f is not None) is asked
    for answer in f.answers if f else []:
        after = found(apply_patch(made(data), answer.patch).model_dump(mode="json"))
        assert "power-appliance-voltage-unsaid" not in after and "power-appliance-voltage" not in after


SEVERE = {
    "vehicle-payload-exceeded": "danger",
    "power-lead-gassing": "danger",
    "power-lead-sparks": "danger",
    "power-lithium-engine-heat": "danger",
    "power-relay-voltage": "danger",
    "power-appliance-voltage": "danger",
    "gas-joint-wrong-type": "danger",
    "power-bank-heater-small": "fault",
    "power-driving-no-alternator": "fault",
    "wire-ac-hookup-lead": "fault",
    "wire-ac-inlet-protect": "fault",
    "wire-source-unwired": "fault",
    "power-mains-no-source": "fault",
    "warm-heater-missing": "fault",
    "wire-board-ways": "fault",
    "gas-fridge-open": "fault",
    "wire-ac-galvanic": "question",
    "power-lead-vent": "advice",
    "power-nmc-indoors": "advice",
}


@pytest.mark.parametrize("rule", sorted(SEVERE))
def test_it_is_as_severe_as_it_is(rule: str) -> None:
    assert found(CASES[rule][0])[rule].severity == SEVERE[rule]


def test_equalising_is_named_where_a_flooded_battery_gasses_inside() -> None:
    f = found(power(bank=FLOODED, shore={**CHARGER, "profile": {"equalise": True}}))["power-lead-gassing"]
    assert "Equalising" in f.message


def test_a_relay_to_another_voltage_is_named_whatever_the_system_is_called() -> None:
    data = lived([LAMP], {"bank": BANK, "driving": {"school": "relay", "rating_a": 100.0}})
    data["vehicle"]["vehicle_voltage_v"] = 24
    assert found(data)["power-relay-voltage"].severity == "danger"
    assert "12.8 V" in found(data)["power-relay-voltage"].message


def test_a_heater_is_no_cut_off() -> None:
    f = found(cold(200.0, cold_charge_cutoff=False))["power-charge-below-freezing"]
    assert f.severity == "danger"
    assert "no cut-off" in f.message
    assert "power-charge-below-freezing" not in found(cold(200.0))


@pytest.mark.parametrize(("volts", "severity"), [(14.6, None), (14.7, "danger"), (28.8, "danger"), (13.9, "fault")])
def test_a_profile_too_high_for_lithium_is_a_danger(volts: float, severity: str | None) -> None:
    f = found(power(shore={**CHARGER, "profile": {"absorption_v": volts}})).get("power-charge-profile")
    assert (f.severity if f else None) == severity
    if volts == 28.8:
        assert f is not None
        assert "24 V bank" in f.message


def test_lithium_that_is_equalised_is_a_danger_and_agm_a_fault() -> None:
    profile = {**CHARGER, "profile": {"equalise": True}}
    assert found(power(shore=profile))["power-charge-profile"].severity == "danger"
    assert found(power(bank=AGM, shore=profile))["power-charge-profile"].severity == "fault"


@pytest.mark.parametrize(("hull", "severity"), [(None, "fault"), ("grp", "fault"), ("steel", "danger"), ("aluminium", "danger")])
def test_a_chassis_return_afloat(hull: str | None, severity: str) -> None:
    assert found(boat(house(circuit(return_path="chassis")), hull=hull))["wire-chassis-return"].severity == severity


def test_a_cable_with_a_source_at_both_ends_wants_no_polarised_breaker() -> None:
    for kind in ("shore", "solar"):
        data = house({**SHORE_CABLE, "id": "x", "kind": kind, "protection": "breaker", "breaker_mark": "dc_polarised"}, arrays=[PANELS], controller=MPPT)
        assert "wire-dc-breaker-wrong" in found(data), kind
    assert "wire-dc-breaker-wrong" not in found(house(circuit(protection="breaker", breaker_mark="dc_polarised")))


def test_the_end_that_wants_the_fuse_is_named() -> None:
    bare = {"id": "in", "name": "From the starter", "kind": "driving_in", "length_m": 4.0, "area_mm2": 16.0, "protection": "none"}
    assert "starter battery’s post" in found(house(bare, driving=DCDC))["wire-no-fuse-at-source"].message


def test_the_trips_places_count_in_every_rule_of_temperature() -> None:
    """Butane and a string of panels for a summer at home, and a trip to the cold."""
    away = {"start_date": "2026-01-05", "legs": [{"id": "n", "place": "tromso", "days_count": 7}]}
    butane = {**power(), "gas": {"gas": "butane", "vessels": [{"id": "v"}], "appliances": [{"id": "hob"}]}}
    assert "gas-butane-cold" not in found(butane)
    assert "gas-butane-cold" in found({**butane, "trips": away})
    string = power(arrays=[{**PANELS, "series_count": 2}], controller={**MPPT, "max_voltage_v": 89.0})
    assert "power-solar-voc-over" not in found(string)
    assert "power-solar-voc-over" in found({**string, "trips": away})
    assert "power-charge-below-freezing" in found({**power("underfloor", bank={**BANK, "cold_charge_cutoff": False}), "trips": away})
    assert "warm-heater-missing" in found({**power(), "trips": away})


def test_a_message_about_a_limit_of_the_bank_does_not_blame_the_alternator() -> None:
    small = {**BANK, "unit_charge_ah": 50.0, "unit_max_charge_a": 25.0}
    f = found(vehicle(power(bank=small, driving={**DCDC, "rating_a": 40.0}), alternator_rated_a=180.0, smart_alternator=True))["power-alternator-no-room"]
    assert "the bank takes at most 25 A" in f.message
    assert "alternator" not in f.title.lower() + f.remedy.lower()


def test_an_assumed_smart_alternator_is_no_fault() -> None:
    assumed = found(vehicle(power(bank=AGM, driving=RELAY)))["power-relay-smart-alternator"]
    said = found(vehicle(power(bank=AGM, driving=RELAY), smart_alternator=True))["power-relay-smart-alternator"]
    assert (assumed.severity, said.severity) == ("advice", "fault")
    assert "assumed" in assumed.message


def test_heavy_appliances_count_together_unless_they_are_shed() -> None:
    both = [KETTLE, {**KETTLE, "id": "oven", "name": "Oven", "power_w": 2600.0}]
    sockets = circuit("ac", kind="ac", board=None, appliances=["kettle", "oven"], area_mm2=2.5, fuse_a=16.0, protection="breaker")
    data = wired(sockets, appliances=both, power={"bank": BANK, "shore": CHARGER})
    together = found({**data, "wiring": {**data["wiring"], "mains": {"shedding": "none"}}})["wire-ac-load-over-breaker"]
    by_hand = found({**data, "wiring": {**data["wiring"], "mains": {"shedding": "hand"}}}).get("wire-ac-load-over-breaker")
    assert together.severity == "fault"
    assert "17." in together.message, together.message
    assert by_hand is None or by_hand.severity == "advice"


def test_an_empty_project_tells_nothing_untrue() -> None:
    for preset in ("panel_van", "boat", "trailer"):
        assert found(blank(vehicle={"preset": preset})) == {}


@pytest.mark.parametrize(("kind", "told"), [("safety", False), ("medical", False), ("heating", False), ("electronics", True), ("cooling", True)])
def test_only_what_must_always_run_is_fed_from_before_the_isolator(kind: str, told: bool) -> None:
    d = house(circuit(before_isolator=True), appliances=[{**LAMP, "kind": kind}])
    assert ("wire-isolator-bypassed" in found(d)) is told


@pytest.mark.parametrize(
    ("region", "kind", "severity"), [("eu", "socket", "danger"), ("us", "socket", "advice"), ("eu", "cooking", "advice"), ("au", "socket", "danger")]
)
def test_mains_in_the_washroom_is_worst_as_a_socket(region: str, kind: str, severity: str) -> None:
    data = {**lived([{**KETTLE, "kind": kind, "zone": "washroom"}], wiring={"mains": {}}), "region": region}
    assert found(data)["wire-ac-wet-room"].severity == severity
