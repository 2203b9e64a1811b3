"""Routes, returns, lighting and load shedding: numbers by hand, limits on both sides, and what must not be found."""

from __future__ import annotations

import math
from typing import Any

import pytest

from bothy.core.contract import BadInput
from bothy.core.proposing import accept
from bothy.core.wiring.mains import Draw, kept_on
from bothy.demo import curlew
from tests.core.test_rules import BANK, MAIN, SOCKETS, fed, on_shore, plugged, routed, side, switched, zoned
from tests.core.wiring.test_lists import lists
from tests.designs import INVERTER, LAMP, circuit, found, made, reported, wired


def test_the_fill_of_a_pipe_by_hand() -> None:
    r = reported(routed(inner_diameter_mm=10.0))
    part = r.wiring.raceways["way"]
    assert part.codes == ["A1"]
    assert part.cable_count == 2
    assert part.fill_frac == pytest.approx(2 * 2.4**2 / 10.0**2)
    assert part.limit_frac == 0.31
    assert part.ok is True


def test_a_mains_cable_counts_with_its_sheath_and_signals_count_too() -> None:
    r = reported(routed(SOCKETS, inner_diameter_mm=22.0, signals=[{"kind": "usb", "count": 2}]))
    part = r.wiring.raceways["way"]
    assert part.cable_count == 2 + 1 + 2
    by_hand = 2 * 2.4**2 + (2.154 * 2.4 + 2.4) ** 2 + 2 * 4.5**2
    assert part.fill_frac == pytest.approx(by_hand / 22.0**2, rel=1e-3)


def test_cables_that_share_a_raceway_warm_each_other_but_for_the_lightly_loaded() -> None:
    heavy = {**LAMP, "id": "heavy", "name": "Heavy", "power_w": 110.0}
    more = [circuit(f"h{n}", appliances=["heavy"], area_mm2=1.5, fuse_a=15.0, raceways=["way"]) for n in range(3)]

    def with_ways(*on: dict[str, Any]) -> Any:
        data = wired(MAIN, *on, appliances=[LAMP, heavy], power={"bank": BANK})
        data["wiring"]["raceways"] = [{"id": "way", "name": "Left wall", "inner_diameter_mm": 29.0}]
        return reported(data).wiring.circuits

    alone = with_ways(*({**c, "raceways": []} for c in more))["h0"]
    shared = with_ways(*more)["h0"]
    assert (alone.bundled_count, shared.bundled_count) == (1, 3)
    assert shared.ampacity_a == pytest.approx(0.7 * alone.ampacity_a)
    light = with_ways(*more, circuit("light", raceways=["way"]))
    assert light["h0"].bundled_count == 3, "1.1 A in a cable for 21 A warms nobody"
    assert light["light"].bundled_count == 4, "but it lies among three that are warm"
    typed = with_ways({**more[0], "bundled_count": 6}, *more[1:])["h0"]
    assert typed.bundled_count == 6, "what was typed is kept where it is more"


def test_a_partition_a_second_way_or_an_open_row_parts_mains_from_low_voltage() -> None:
    trunking = {"kind": "trunking", "width_mm": 40.0, "height_mm": 25.0}
    assert found(routed(SOCKETS, **trunking))["wire-ac-dc-mixed"].fix is not None
    assert found(routed(SOCKETS, inner_diameter_mm=29.0))["wire-ac-dc-mixed"].fix is None, "nothing parts a pipe"
    for clean in (routed(SOCKETS, **trunking, partition=True), routed(**trunking), routed(SOCKETS, kind="open")):
        assert "wire-ac-dc-mixed" not in found(clean)


@pytest.mark.parametrize(("region", "negative", "clash"), [("uk", "black", False), ("us", "black", True), ("us", "yellow", False), ("au", "black", True)])
def test_colours_clash_where_the_region_uses_one_twice(region: str, negative: str, clash: bool) -> None:
    data = {**routed(SOCKETS, inner_diameter_mm=29.0, wiring={"dc_negative_colour": negative}), "region": region}
    assert ("wire-colour-clash" in found(data)) is clash


def test_boards_of_both_sides_in_one_box_want_a_barrier() -> None:
    boards = [{"id": "a", "name": "House", "enclosure": "Cupboard"}, {"id": "m", "name": "Mains", "letter": "M", "side": "ac", "enclosure": "Cupboard"}]
    f = found(side(boards=boards))["wire-ac-dc-mixed"]
    assert f.subject == "m"
    boards[1]["barrier"] = True
    assert "wire-ac-dc-mixed" not in found(side(boards=boards))


@pytest.mark.parametrize(("mm", "found_it"), [(100.0, False), (99.0, True)])
def test_the_distance_to_gas_has_a_sharp_limit(mm: float, found_it: bool) -> None:
    assert ("wire-on-gas-route" in found(routed(gas_distance_mm=mm))) is found_it


@pytest.mark.parametrize(("way", "most"), [({"kind": "open", "upright": True}, 400.0), ({"kind": "open"}, 250.0), ({"kind": "conduit"}, 450.0)])
def test_clips_stand_nearer_with_mains(way: dict[str, Any], most: float) -> None:
    assert "wire-clip-spacing" not in found(routed(SOCKETS, **way, clip_spacing_mm=most))
    assert f"at most {most:g} mm apart" in found(routed(SOCKETS, **way, clip_spacing_mm=most + 20))["wire-clip-spacing"].message


def test_a_signal_is_disturbed_by_mains_beside_it_over_more_than_a_metre() -> None:
    near = {"kind": "open", "length_m": 3.0, "signals": [{"kind": "coax", "gap_mm": 60.0}]}
    assert found(routed(SOCKETS, **near))["wire-data-near-mains"].fix is None, "a screen does not help an antenna"
    assert "wire-data-near-mains" not in found(routed(SOCKETS, **{**near, "length_m": 1.0}))
    assert "wire-data-near-mains" not in found(routed(**near)), "5 A of lamps disturb nothing"
    assert "wire-data-near-mains" not in found(routed(SOCKETS, **{**near, "signals": [{"kind": "coax", "gap_mm": 100.0}]}))


def test_a_pipe_with_a_width_is_refused_by_name() -> None:
    with pytest.raises(BadInput) as e:
        made(routed(width_mm=30.0, height_mm=20.0))
    assert e.value.key == "width_mm"


@pytest.mark.parametrize(
    ("path", "value", "key"), [("circuits", [circuit(raceways=["gone"])], "raceways"), ("zones", [{"id": "z", "name": "Z", "lights": ["gone"]}], "lights")]
)
def test_links_to_what_does_not_exist_name_the_field(path: str, value: Any, key: str) -> None:
    with pytest.raises(BadInput) as e:
        made(side(**{path: value}))
    assert e.value.key == key


def test_a_thinner_return_loses_what_it_loses() -> None:
    same = reported(fed(circuit(area_mm2=4.0, length_m=5.0))).wiring.circuits["c1"]
    thin = reported(fed(circuit(area_mm2=4.0, length_m=5.0, negative_area_mm2=1.5))).wiring.circuits["c1"]
    warm = 1 + 0.00393 * 40
    assert same.resistance_mohm == pytest.approx(2 * 4.95 * warm * 5.0)
    assert thin.resistance_mohm == pytest.approx((4.95 + 13.3) * warm * 5.0)
    thick = reported(fed(circuit(area_mm2=4.0, length_m=5.0, negative_area_mm2=10.0))).wiring.circuits["c1"]
    assert thick.resistance_mohm == same.resistance_mohm, "a thicker one is not counted on"


def test_how_long_a_cable_stands_a_dead_short() -> None:
    r = reported(fed(circuit(clearing_time_s=0.5)))
    amps = r.figures["circuits/c1/fault_a"]["value"]
    k = 226 * math.sqrt(math.log(1 + (160 - 90) / (234.5 + 90)))
    assert r.figures["circuits/c1/withstand_s"]["value"] == pytest.approx((k * 1.5 / amps) ** 2)
    quick = r.figures["circuits/c1/withstand_s"]["value"] * 0.9
    assert "wire-cable-burns-first" not in found(fed(circuit(clearing_time_s=quick)))


def test_four_lugs_fit_a_stud_and_lugs_are_made_for_its_thread() -> None:
    loads = [circuit(f"c{n}", board=None) for n in range(3)]
    assert "wire-stud-stacked" not in found(side(bus_studs_count=1, circuits=[MAIN, *loads]))
    assert "wire-stud-stacked" in found(side(bus_studs_count=1, circuits=[MAIN, *loads, circuit("c9", board=None)]))
    told = found(side(bus_stud_mm=5, circuits=[MAIN]))["wire-stud-stacked"]
    assert "made for M8 to M12; the busbar has M5" in told.message


def test_the_kit_is_complete_when_it_holds_what_the_list_asks_for() -> None:
    data = side()
    short = found(side(spares=[{"family": "blade_standard", "rating_a": 5.0, "count": 1}]))["wire-spares-missing"]
    assert "1 × 19 mm blade 5 A" in short.message
    spares = [{"family": n.key, "rating_a": n.rating_a, "count": n.spare} for n in lists(data).fuses]
    assert "wire-spares-missing" not in found(side(spares=spares))


def test_a_relay_takes_the_load_off_the_switch_and_is_on_the_list() -> None:
    data = switched(rating_a=0.5)
    assert "wire-switch-overload" in found(data)
    relayed = switched(rating_a=0.5, relay=True)
    assert "wire-switch-overload" not in found(relayed)
    out = lists(relayed)
    assert [(r.code, r.rating_a) for r in out.relays] == [("A1", 2.0)]
    assert sum(f.fitted for f in out.fuses) == sum(f.fitted for f in lists(data).fuses) + 1, "the control wire has its own 1 A fuse"


@pytest.mark.parametrize(
    ("place", "reached"),
    [
        ({"door_distance_m": 0.6, "height_m": 0.7}, True),
        ({"door_distance_m": 0.6, "height_m": 1.5}, True),
        ({"door_distance_m": 0.61, "height_m": 1.2}, False),
        ({"door_distance_m": 0.3, "height_m": 1.6}, False),
        ({"door_distance_m": 0.3}, False),
    ],
)
def test_who_stands_outside_reaches_so_far(place: dict[str, Any], reached: bool) -> None:
    assert ("wire-no-switch-at-door" not in found(zoned(place))) is reached


def test_a_switch_on_the_panel_is_where_the_panel_is() -> None:
    panel = {"door_distance_m": 0.5, "floor_height_m": 1.3, "by_bed": True}
    r = reported(zoned({"on_plate": True}, panel=panel))
    assert r.wiring.lighting.from_door == ["Living: Place 0", "Switch panel"]
    assert "Living: Place 0" in r.wiring.lighting.from_bed
    assert "wire-no-switch-at-door" not in {f.rule for f in r.findings}


def test_the_way_over_two_switches_is_the_true_length() -> None:
    r = reported(zoned({"wire_m": 3.0}, {"wire_m": 2.5}, control="change_over", lamp_wire_m=1.5))
    part = r.wiring.lighting.zones["z"]
    assert part.way_m == pytest.approx(7.0)
    assert part.between_count == 2
    assert part.codes == ["A1"]
    unsaid = reported(zoned({"wire_m": 3.0}, {}, control="change_over", lamp_wire_m=1.5))
    assert unsaid.wiring.lighting.zones["z"].way_m is None


@pytest.mark.parametrize("zone", [{"control": "one"}, {"control": "change_over"}])
def test_more_places_than_the_switching_serves_are_refused(zone: dict[str, Any]) -> None:
    places = [{}, {}] if zone["control"] == "one" else [{}, {}, {}]
    with pytest.raises(BadInput) as e:
        made(zoned(*places, **zone))
    assert e.value.key == "places"


def test_zones_are_proposed_by_part_of_the_vehicle_with_the_night_light_apart() -> None:
    design, taken = accept(curlew.design().model_copy(update={"wiring": curlew.design().wiring.model_copy(update={"zones": []})}), groups=["lighting"])
    assert taken == ["lighting"]
    zones = {z.name: z for z in design.wiring.zones}
    assert zones["Night"].lights == ["night-light"]
    assert zones["Living"].control == "change_over"
    lights = [i for z in design.wiring.zones for i in z.lights]
    assert sorted(lights) == sorted(a.id for a in design.life.appliances if a.kind == "light")


def test_what_stays_on_follows_the_order_and_fills_what_is_left() -> None:
    draws = [Draw("fridge", 2.0), Draw("oven", 9.0), Draw("kettle", 8.0), Draw("lamp", 1.0)]
    on, off = kept_on(draws, 12.0)
    assert [d.name for d in on] == ["fridge", "oven", "lamp"]
    assert [d.name for d in off] == ["kettle"]


def test_shedding_settles_an_overloaded_supply() -> None:
    def supply(**mains: Any) -> dict[str, Any]:
        return on_shore(plugged({"keep": ["kettle"], **mains}, appliances=["kettle", "oven"]), inlet_current_a=6.0, supply_current_a=6.0)

    f = found(supply())["wire-ac-load-over-breaker"]
    assert f.severity == "fault"
    assert "Together may run: Kettle" in f.message
    assert found(supply(shedding="hand"))["wire-ac-load-over-breaker"].severity == "advice"
    assert "wire-ac-load-over-breaker" not in found(supply(shedding="relay"))


def test_a_yellow_negative_is_on_the_labels_and_in_the_cable_list() -> None:
    out = lists({**wired(MAIN, circuit(), appliances=[LAMP], power={"bank": BANK, "inverter": INVERTER}), "region": "us"})
    assert {c.colour for c in out.cables} == {"red", "black"}
    data = wired(MAIN, circuit(), appliances=[LAMP], power={"bank": BANK})
    data["wiring"]["dc_negative_colour"] = "yellow"
    out = lists(data)
    assert {c.colour for c in out.cables} == {"red", "yellow"}
    assert out.labels[-1].board.endswith("red/yellow")
