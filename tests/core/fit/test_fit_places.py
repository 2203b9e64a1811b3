"""Proposed places on ordinary vehicles: all of it stands, nothing that Bothy stands somewhere raises a finding of its own; the ledger counts each kilogram
once; lengths follow from places."""

from __future__ import annotations

import itertools
import math
from typing import Any

import pytest

from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.fit.furniture import usual_furniture
from bothy.core.fit.gap_parts import parts_in_gap
from bothy.core.fit.geometry import geometry_of, settled
from bothy.core.fit.propose import Places, propose_places
from bothy.core.fit.things import things_of
from bothy.core.proposing import accept
from bothy.core.report import report
from bothy.demo import curlew, fiddlehead, saltbush
from bothy.demo.load import demo_of
from bothy.demo.parts import from_catalogue
from tests.designs import blank

KINDS = ("bed", "kitchen", "bench", "overhead")


def furnished(preset: str, region: str = "uk", kinds: tuple[str, ...] = KINDS, **parts: Any) -> Design:
    """An ordinary vehicle with its supply proposed, circuits, and usual furniture; nothing placed."""
    appliances = [
        from_catalogue("fridge-50", "fridge", name="Chest fridge 50 L"),
        from_catalogue("light-strip", "lights", name="Lights", count=2),
        from_catalogue("pump-10", "pump", name="Water pump"),
        from_catalogue("usb-double", "usb", name="Charging sockets"),
        from_catalogue("co-alarm", "alarm", name="Carbon monoxide alarm"),
    ]
    data = blank(vehicle={"preset": preset}, life={"appliances": appliances, "people": 2, "place": "london" if region == "uk" else "denver"}, **parts)
    data["region"] = region
    data["water"] = {"tanks": [{"id": "fresh", "name": "Fresh", "prisms": [{"shape": "box", "length_m": 0.7, "width_m": 0.3, "height_m": 0.3}]}]}
    data["gas"] = {"appliances": [{"id": "hob", "name": "Hob"}], "vessels": [{"id": "v", "name": "Cylinder", "capacity_kg": 5.0}]}
    planned, _ = accept(load_design(data), groups=["inverter", "solar", "bank", "driving", "shore", "circuits", "panel"])
    pieces = [p for p in usual_furniture(geometry_of(planned).body) if p.kind in kinds]
    own = [
        {
            "id": p.kind,
            "name": p.name,
            "kind": p.kind,
            "length_m": p.length,
            "width_m": p.width,
            "height_m": p.height,
            "mass_kg": p.kg,
            "hollow": p.kind != "bed",
        }
        for p in pieces
    ]
    return apply_patch(planned, [{"op": "replace", "path": "/fit/own", "value": own}])


VEHICLES = {
    "panel van": lambda: furnished("panel_van"),
    "long van in the States": lambda: furnished("long_high_van", "us", (*KINDS, "wet_room")),
    "box body": lambda: furnished("truck_body", kinds=(*KINDS, "wet_room", "wardrobe")),
}


@pytest.fixture(scope="module", params=list(VEHICLES))
def proposed(request: Any) -> tuple[Design, Places]:
    design = VEHICLES[request.param]()
    return design, propose_places(design)


def test_all_of_it_is_placed_with_reasons(proposed: tuple[Design, Places]) -> None:
    design, places = proposed
    assert [t.name for t in places.left] == []
    assert {p.doc.of for p in places.places} == {t.key for t in things_of(design) if not t.on_roof}
    assert all(p.why for p in places.places)


def test_what_bothy_places_raises_no_finding_of_its_own(proposed: tuple[Design, Places]) -> None:
    design, places = proposed
    found = [f for f in report(apply_patch(design, places.patch())).findings if f.stage == "fit"]
    assert [(f.rule, f.subject_name, f.message) for f in found if f.severity in ("danger", "fault", "question")] == []
    assert [f.rule for f in found if f.severity == "advice" and f.rule != "fit-reserve-short"] == []


def test_the_same_design_gives_the_same_places_and_what_stands_stays(proposed: tuple[Design, Places]) -> None:
    design, places = proposed
    assert propose_places(design).patch() == places.patch()
    laid = apply_patch(design, places.patch())
    assert propose_places(laid).places == ()
    lifted = apply_patch(laid, [{"op": "remove", "path": f"/fit/places/{[p.of for p in laid.fit.places].index('power:bank')}"}])
    again = propose_places(lifted)
    assert [p.doc.of for p in again.places] == ["power:bank"]


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_every_kilogram_of_a_demo_stands_once_in_the_list(demo: Any) -> None:
    design = demo.design()
    made = report(design)
    rows = made.fit.weight.rows
    assert len({r.key for r in rows}) == len(rows)
    things = {t.key: t for t in things_of(design)}
    for key, t in things.items():
        assert sum(r.kg for r in rows if r.key.partition("~")[0] == key) == pytest.approx(t.full_kg), key
    linked = {f"life:{h.appliance}" for h in design.warmth.heaters if h.appliance}
    assert not linked & set(things), "a heater and its line among the appliances are one thing"
    worst = next(x for x in made.fit.weight.loadings if x.id == made.fit.weight.worst)
    gear = geometry_of(design).body.gear
    carried = sum(r.kg * worst.factors.get(r.group, 1.0) for r in rows)
    assert worst.gross_kg == pytest.approx(gear.empty_front + gear.empty_rear + carried)
    assert worst.gross_kg == pytest.approx((worst.front_kg or worst.nose_kg or 0) + (worst.rear_kg or 0))


def test_dragging_the_bank_moves_cable_drop_and_axles_by_hand() -> None:
    """0.4 m along the wall: the inverter's cable, its drop and the axle loads follow as a pocket calculator says."""
    design = saltbush.design()
    i = [p.of for p in design.fit.places].index("power:bank")
    before = report(design)
    place = design.fit.places[i]
    after = report(apply_patch(design, [{"op": "replace", "path": f"/fit/places/{i}/x_m", "value": round(place.x_m + 0.4, 3)}]))
    bank = next(t for t in things_of(design) if t.key == "power:bank")
    a, b = before.fit.weight.loadings[0], after.fit.weight.loadings[0]
    gear = geometry_of(design).body.gear
    cables = [(r.kg, s.kg, r.x, s.x) for r, s in zip(before.fit.weight.rows, after.fit.weight.rows, strict=True) if r.key.startswith(("circuit:", "signal:"))]
    moved = bank.full_kg * 0.4 + sum(k1 * (x1 - (gear.rear_x or 0)) - k0 * (x0 - (gear.rear_x or 0)) for k0, k1, x0, x1 in cables)
    assert (b.front_kg or 0) - (a.front_kg or 0) == pytest.approx(moved / ((gear.front_x or 0) - (gear.rear_x or 0)), rel=1e-6)
    feed = next(c.id for c in design.wiring.circuits if c.kind == "inverter")
    one, two = before.wiring.circuits[feed], after.wiring.circuits[feed]
    assert one.length_m != two.length_m
    assert two.length_m == pytest.approx(next(r.length_m or 0 for r in after.fit.routes if r.id == f"circuit:{feed}"), abs=0.001)
    assert (two.drop_v or 0) / (one.drop_v or 1) == pytest.approx(two.length_m / one.length_m, rel=0.02)


def test_a_kept_length_is_kept_and_the_way_is_said() -> None:
    design = curlew.design()
    feed = next(c for c in design.wiring.circuits if c.kind == "inverter")
    route = next(r for r in report(design).fit.routes if r.id == f"circuit:{feed.id}")
    assert route.kept and route.length_m is not None and route.length_m != feed.length_m
    assert report(design).wiring.circuits[feed.id].length_m == feed.length_m
    k = design.fit.keep.index(route.id)
    free = apply_patch(design, [{"op": "remove", "path": f"/fit/keep/{k}"}])
    assert report(free).wiring.circuits[feed.id].length_m == pytest.approx(route.length_m, abs=0.001)


def test_nothing_placed_changes_nothing() -> None:
    design = curlew.design().model_copy(update={"fit": load_design(blank()).fit})
    assert settled(design, geometry_of(design)) is design


def test_a_tank_that_is_placed_takes_its_height_and_way_from_there() -> None:
    design = saltbush.design()
    made = settled(design, geometry_of(design))
    place = design.fit.place("water:fresh-1")
    tank = next(t for t in made.water.tanks if t.id == "fresh-1")
    assert place is not None and tank.z_m == place.z_m
    assert math.isclose(tank.x_m, geometry_of(design).body.hull.last - geometry_of(design).placed["water:fresh-1"].box.middle[0], abs_tol=1e-3)


def test_the_bank_is_as_cold_as_its_bay() -> None:
    data = curlew.design().model_dump(mode="json")
    data["vehicle"]["bank_place"] = "warm_inside"
    assert report(load_design(data)).vehicle.bank_place == "underfloor"


def test_warmths_areas_come_from_measured_stations() -> None:
    """A box of stations has the areas of a box; what is cut out of a wall stays cut out; a narrower front makes less wall and less heat."""
    window = {"id": "w", "on": "left", "width_m": 1.0, "height_m": 0.5}
    size = {"preset": "truck_body", "inside_length_m": 4.0, "inside_width_m": 2.0, "inside_height_m": 2.0}
    plain = blank(vehicle=size, warmth={"openings": [window], "taper_frac": 1.0})
    plain["fit"] = {}
    straight = [{"x_m": x, "left_m": [1.0, 1.0], "right_m": [1.0, 1.0], "height_m": 2.0} for x in (0.0, 4.0)]
    nose = [straight[0], {**straight[1], "left_m": [0.5, 0.5], "right_m": [0.5, 0.5]}]

    def areas(stations: list[dict[str, Any]]) -> dict[str, float]:
        body = {"levels_z_m": [0.1, 1.8], "stations": stations} if stations else {}
        made = report(load_design({**plain, "fit": {"body": body}}))
        return {k: s.area_m2 for k, s in made.warmth.surfaces.items()} | {"volume": made.warmth.volume_m3}

    typed, box, tapered = areas([]), areas(straight), areas(nose)
    for side in ("floor", "left", "right", "rear"):
        assert box[side] == pytest.approx(typed[side]), side
    assert box["volume"] == pytest.approx(typed["volume"])
    assert box["left"] == pytest.approx(8.0 - 0.5)
    assert tapered["floor"] == pytest.approx(6.0) and tapered["front"] == pytest.approx(2.0) and tapered["left"] == pytest.approx(8.0 - 0.5)
    assert tapered["volume"] == pytest.approx(12.0)


def test_what_goes_into_a_gap_of_210_millimetres() -> None:
    found = parts_in_gap("battery", (0.21, 0.36, 0.30))
    fitting = [p for p in found if p.fits]
    assert fitting and all(p.spare_m >= 0 for p in fitting)
    for p in fitting:
        named = dict(zip(("width", "depth", "height"), (p.size_mm[0] / 1000, p.size_mm[1] / 1000, p.size_mm[2] / 1000 + 0.05), strict=True))
        assert named[p.way.along_x] <= 0.21 - 0.003 + 1e-9 and named[p.way.along_y] <= 0.36 - 0.003 + 1e-9
    lead = [p for p in found if "AGM" in p.name or "Lead" in p.name]
    assert all(p.way.along_z == "height" for p in lead), "a lead battery stands upright"
    assert not any(p.fits for p in parts_in_gap("battery", (0.05, 0.05, 0.05)))


def test_a_boat_lies_deeper_by_what_is_put_into_her() -> None:
    data = blank(vehicle={"preset": "boat", "inside_length_m": 9.0, "inside_width_m": 2.0}, life={"appliances": [], "people": 1, "place": "london"})
    data["fit"] = {"own": [{"id": "a", "name": "Ballast", "length_m": 0.5, "width_m": 0.5, "height_m": 0.2, "mass_kg": 162.0}]}
    one = report(load_design(data)).fit.weight
    data["fit"]["own"][0]["mass_kg"] = 324.0
    two = report(load_design(data)).fit.weight
    assert (two.loadings[0].sinkage_mm or 0) - (one.loadings[0].sinkage_mm or 0) == pytest.approx(10.0)


def test_a_wall_shows_every_bend_of_what_runs_behind_it() -> None:
    """The stretch as it lies: each bend of the way is on the drawn line, and each drawn point on the way."""
    part = demo_of(curlew)[0].report.fit
    ways = {r.id: r.lines for r in part.routes}
    turned = 0
    for wall in part.walls:
        across = 1 if wall.id in ("ceiling", "floor", "under") else 2
        for row in wall.rows:
            drawn = [row.enters, *row.turns, row.leaves]
            turned += len(row.turns)
            flat = [[(q[0], q[across]) for q in line] for line in ways[row.run]]
            assert any(_follows(line[i:], drawn) for line in flat for i in range(len(line))), (wall.id, row.name)
    assert turned > 3
    panels = next(row for wall in part.walls if wall.id == "right" for row in wall.rows if row.name == "Panels to controller")
    assert panels.turns[0][0] == pytest.approx(panels.enters[0], abs=0.01), "straight down its pillar"
    assert panels.turns[0][1] < 0.5


def _follows(way: list[tuple[float, float]], drawn: list[list[float]]) -> bool:
    """Whether the drawn line begins where the way begins, and each point of the way lies on it until its end is reached."""
    if math.dist(way[0], drawn[0]) > 0.001:
        return False
    end = next((i for i, q in enumerate(way) if i and math.dist(q, drawn[-1]) < 0.001), None)
    return end is not None and all(min(_off(q, a, b) for a, b in itertools.pairwise(drawn)) < 0.006 for q in way[:end])


def _off(p: tuple[float, float], a: list[float], b: list[float]) -> float:
    """How far ``p`` lies from the stretch from ``a`` to ``b``."""
    along = [b[0] - a[0], b[1] - a[1]]
    length = along[0] ** 2 + along[1] ** 2
    t = 0.0 if length == 0 else min(1.0, max(0.0, ((p[0] - a[0]) * along[0] + (p[1] - a[1]) * along[1]) / length))
    return math.dist(p, (a[0] + t * along[0], a[1] + t * along[1]))


DUCT = {"id": "bed", "name": "Duct to the bed", "length_m": 9.0, "bends_90": 1}


def test_ducts_and_coolant_hoses_are_as_long_as_their_ways() -> None:
    air = {"id": "h", "name": "Air", "max_w": 2000.0, "air_flow_m3_h": 90.0}
    wet = {"id": "w", "name": "Water", "kind": "coolant", "max_w": 5000.0}
    loop = {"zones": [{"id": "z", "name": "Blower", "rated_w": 2000.0, "pipe_length_m": 20.0}]}
    data = furnished("panel_van", kinds=()).model_dump(mode="json")
    data["warmth"] |= {"heaters": [air, wet], "ducts": [DUCT], "loop": loop}
    data["fit"]["places"] = [
        {"of": "warmth:h", "x_m": 1.0, "y_m": 0.5, "z_m": 0.1},
        {"of": "warmth:duct-bed", "x_m": 3.0, "y_m": 0.75, "z_m": 0.1},
        {"of": "warmth:w", "x_m": 1.0, "y_m": -0.7, "z_m": 0.5},
        {"of": "warmth:zone-z", "x_m": 1.1, "y_m": -0.7, "z_m": 0.9},
    ]
    design = load_design(data)
    geo = geometry_of(design)
    duct, hose = geo.routes["duct:bed"], geo.routes["loop:z"]
    assert duct.length_m is not None and 2.0 <= duct.length_m < 4.0
    assert hose.length_m == pytest.approx(
        sum(abs(a - b) for a, b in zip(geo.placed["warmth:w"].port("water"), geo.placed["warmth:zone-z"].port("water"), strict=True))
    )
    now = settled(design, geo).warmth
    assert now.ducts[0].length_m == pytest.approx(duct.length_m, abs=0.001)
    assert now.ducts[0].bends_90 == duct.ways[0].bends
    assert now.loop is not None and now.loop.zones[0].pipe_length_m == pytest.approx(2 * hose.length_m, abs=0.001), "there and back"


def test_a_signal_cable_has_its_way_its_mass_its_wall_and_its_line_in_the_bill() -> None:
    """A tank's sender to the board: as long as its way, 35 g a metre, and cut with a tenth and 0.3 m at each end."""
    from bothy.core.build.from_design import tags_of, tasks_of
    from bothy.core.build.shopping import bill
    from bothy.core.facts.document import Facts
    from bothy.core.fit.signals import usual_signals

    design = apply_patch(saltbush.design(), [{"op": "replace", "path": "/fit/signals", "value": []}])
    usual = usual_signals(design)
    assert {u.kind for u in usual} >= {"sensor", "shunt"}
    assert all(u.b.startswith("wiring:") for u in usual)
    ops = [{"op": "add", "path": "/fit/signals/-", "value": {"id": f"s{i}", **u._asdict()}} for i, u in enumerate(usual)]
    joined = apply_patch(design, ops)
    assert usual_signals(joined) == []
    r = report(joined)
    routes = {x.id: x for x in r.fit.routes}
    masses = {k.key: k for k in r.fit.weight.rows}
    for i in range(len(usual)):
        route = routes[f"signal:s{i}"]
        assert route.length_m is not None and route.service == "data"
        assert masses[route.id].kg == pytest.approx(0.035 * route.length_m)
    behind = {row.run for w in r.fit.walls for row in w.rows}
    assert behind & {f"signal:s{i}" for i in range(len(usual))}
    assert "data" in tags_of(joined)
    lines = {x.key: x for x in bill(joined, r, Facts(), tasks_of(joined, r)) if x.key.startswith("signal-")}
    senders = [routes[f"signal:s{i}"].length_m or 0.0 for i, u in enumerate(usual) if u.kind == "sensor"]
    assert lines["signal-sensor"].amount == pytest.approx(sum(1.1 * m + 0.6 for m in senders), abs=0.02)
    assert lines["signal-sensor"].tasks == ("ff-data",)


def test_a_kept_length_of_a_signal_cable_counts() -> None:
    line = {"id": "s", "name": "Sender", "a": "water:fresh", "b": "power:bank", "length_m": 9.0}
    placed = curlew.design()
    tank = next(t for t in placed.water.tanks)
    joined = apply_patch(placed, [{"op": "add", "path": "/fit/signals/-", "value": {**line, "a": f"water:{tank.id}"}}])
    by_way, kept = report(joined), report(apply_patch(joined, [{"op": "add", "path": "/fit/keep/-", "value": "signal:s"}]))

    def kg(r: Any) -> float:
        return float(next(k.kg for k in r.fit.weight.rows if k.key == "signal:s"))

    way = next(x.length_m for x in by_way.fit.routes if x.id == "signal:s")
    assert kg(by_way) == pytest.approx(0.035 * (way or 0))
    assert kg(kept) == pytest.approx(0.035 * 9.0)


@pytest.mark.parametrize("yaw", [0, 90, 180, 270])
@pytest.mark.parametrize("up", ["top", "front", "rear", "left", "right", "bottom"])
def test_a_port_turns_with_its_thing(up: str, yaw: int) -> None:
    """What is measured of the upright thing stays the same point of it: its distances from the six faces go with the faces."""
    from bothy.core.fit.boxes import FACES
    from bothy.core.fit.things import pose_faces, posed, posed_point

    thing = next(t for t in things_of(curlew.design()) if t.key == "life:fridge" or t.key.startswith("life:"))
    at = (0.1 * thing.size[0], 0.3 * thing.size[1], 0.8 * thing.size[2])
    upright = {f: at[i // 2] if i % 2 == 0 else thing.size[i // 2] - at[i // 2] for i, f in enumerate(FACES)}
    size, _ = posed(thing, up, yaw)
    point = posed_point(thing, up, yaw, at)
    for i, face in enumerate(pose_faces(up, yaw)):
        there = point[i // 2] if i % 2 == 0 else size[i // 2] - point[i // 2]
        assert there == pytest.approx(upright[face])


def test_a_run_ends_where_its_thing_is_joined() -> None:
    """A tank joined at its lower rear corner, not in its middle: its pipes go there, its sender stays."""
    design = saltbush.design()
    geo = geometry_of(design)
    key = next(k for k in geo.placed if k.startswith("water:") and "tank" in geo.placed[k].thing.tags)
    size = {"of": key, "ports": [{"of": "water", "x_m": 0.0, "y_m": 0.0, "z_m": 0.0}]}
    joined = geometry_of(apply_patch(design, [{"op": "add", "path": "/fit/sizes/-", "value": size}]))
    p = joined.placed[key]
    corner = [
        min(abs(a - v) for v in pair) for a, pair in zip(p.port("water"), ((p.box.x0, p.box.x1), (p.box.y0, p.box.y1), (p.box.z0, p.box.z1)), strict=True)
    ]
    assert corner == pytest.approx([0.0, 0.0, 0.0])
    assert p.port("dc") == pytest.approx(p.box.middle)


def test_a_camper_on_a_truck_has_its_aisle_at_one_side() -> None:
    """Between its side boxes the floor is 1.2 m wide: a kitchen of half a metre leaves no aisle along the middle, but one beside it."""
    design = furnished("truck_camper", kinds=("bed", "kitchen", "overhead"))
    places = propose_places(design)
    assert [t.name for t in places.left] == []
    laid = apply_patch(design, places.patch())
    found = [f for f in report(laid).findings if f.stage == "fit" and f.severity in ("danger", "fault", "question")]
    assert [f.rule for f in found] == ["fit-camper-mass"]
    geo = geometry_of(laid)
    kitchen, floor = geo.placed["own:kitchen"].box, geo.body.hull.over(1.4, 2.5, 0.0, 0.3)
    assert max(floor.left_m - kitchen.y1, kitchen.y0 + floor.right_m) >= 0.44


@pytest.mark.parametrize("preset", ["truck_camper", "trailer", "truck_body"])
def test_furniture_is_proposed_so_that_people_get_out(preset: str) -> None:
    """A truck camper is left by its rear door alone: its bed goes to the front."""
    bare = furnished(preset)
    laid = apply_patch(bare, propose_places(bare).patch())
    assert "fit-exit-blocked" not in {f.rule for f in report(laid).findings}
    bed = geometry_of(laid).placed["own:bed"].box
    assert (bed.x0 > 1.0) is (preset == "truck_camper")


def test_a_bench_under_a_bed_is_called_a_store() -> None:
    bench = next(p for p in propose_places(furnished("panel_van")).places if p.doc.of == "own:bench")
    assert "as a store" in bench.why[0]
    free = next(p for p in propose_places(furnished("panel_van", kinds=("bench", "overhead"))).places if p.doc.of == "own:bench")
    assert "as a store" not in free.why[0]


@pytest.mark.parametrize("preset", ["panel_van", "long_high_van", "minibus", "truck_body"])
def test_the_inverter_stands_by_the_bank(preset: str) -> None:
    """Their cable carries most of all: the bank's place is looked for with the inverter's in view."""
    data = blank(vehicle={"preset": preset}, life={"appliances": [from_catalogue("induction-1", "hob"), from_catalogue("fridge-90", "fridge")], "people": 2})
    design, _ = accept(load_design(data), groups=["inverter", "solar", "bank", "driving", "shore", "circuits"])
    placed = {p.thing.key: p.doc for p in propose_places(design).places}
    bank, inverter = placed["power:bank"], placed["power:inverter"]
    assert math.dist((bank.x_m, bank.y_m), (inverter.x_m, inverter.y_m)) < 0.8
    stood = apply_patch(design, propose_places(design).patch(), by_proposal=True)
    feed = next(c for c in stood.wiring.circuits if c.kind == "inverter")
    assert report(stood).wiring.circuits[feed.id].length_m < 1.0


def test_a_washing_machine_stands_on_the_floor_and_a_lamp_hangs() -> None:
    lines = [from_catalogue("washer", "washer"), from_catalogue("light-reading", "lamp")]
    things = {t.key: t for t in things_of(load_design(blank(vehicle={"preset": "truck_body"}, life={"appliances": lines})))}
    assert (things["life:washer"].small, things["life:lamp"].small) == (False, True)
    design = load_design(blank(vehicle={"preset": "truck_body"}, life={"appliances": lines}))
    placed = {p.thing.key: p.doc for p in propose_places(design).places}
    assert placed["life:washer"].z_m < 0.2
    assert placed["life:lamp"].z_m > 1.0


def test_waste_under_the_floor_stands_where_it_weighs_against_the_rest() -> None:
    """Full on the way home, when the fresh tank is empty: neither loading leans to a side by more than one tank's half width can help."""
    box = {"shape": "box", "length_m": 0.9, "width_m": 0.5, "height_m": 0.25}
    tanks = [
        {"id": "fresh", "name": "Fresh", "prisms": [{**box, "height_m": 0.5}]},
        *({"id": i, "name": i, "holds": h, "place": "underfloor", "prisms": [box]} for i, h in (("grey", "grey"), ("black", "black"))),
    ]
    design = load_design(blank(vehicle={"preset": "truck_body"}, water={"tanks": tanks}))
    stood = apply_patch(design, propose_places(design).patch(), by_proposal=True)
    placed = {p.of: p.y_m + 0.25 for p in stood.fit.places}
    assert placed["water:grey"] * placed["water:black"] <= 0, "they stand on either side, or one in the middle"
    assert "fit-side-imbalance" not in {f.rule for f in report(stood).findings}


def test_in_a_van_that_is_crawled_into_a_fridge_finds_its_place() -> None:
    """No aisle is kept where nobody walks; the doors stay free."""
    data = blank(vehicle={"preset": "small_van"})
    data["life"] = {"appliances": [from_catalogue("fridge-50", "fridge")]}
    data["power"] = {"bank": {"name": "Bank", "chemistry": "lifepo4", "unit_voltage_v": 12.0, "unit_charge_ah": 200.0}}
    data["water"] = {"tanks": [{"id": "t", "name": "Fresh", "holds": "fresh", "prisms": [{"shape": "box", "length_m": 0.42, "width_m": 0.4, "height_m": 0.3}]}]}
    design = load_design(data)
    places = propose_places(design)
    assert [t.name for t in places.left] == []
    found = {f.rule for f in report(apply_patch(design, places.patch())).findings if f.stage == "fit" and f.severity in ("danger", "fault")}
    assert found == set()


@pytest.mark.parametrize("chemistry", ["lifepo4", "agm"])
def test_eight_battery_units_stand_on_a_shelf_and_come_out_one_by_one(chemistry: str) -> None:
    data = blank(vehicle={"preset": "bus"})
    data["power"] = {"bank": {"name": "Bank", "chemistry": chemistry, "unit_voltage_v": 12.0, "unit_charge_ah": 200.0, "series_count": 2, "parallel_count": 4}}
    design = load_design(data)
    bank = next(t for t in things_of(design) if t.key == "power:bank")
    assert bank.piece is not None
    across, deep, high = bank.size
    if chemistry == "lifepo4":
        assert (across, deep) == pytest.approx((bank.piece[0], 4 * bank.piece[1] + 0.03)) and high == pytest.approx(2 * bank.piece[2] + 0.06)
    else:
        assert (across, deep, high) == pytest.approx((2 * bank.piece[0] + 0.01, 4 * bank.piece[1] + 0.03, bank.piece[2])), "lead is filled from above"
    laid = apply_patch(design, propose_places(design).patch())
    assert "fit-door-too-small" not in {f.rule for f in report(laid).findings}


@pytest.mark.parametrize(("length", "through"), [(1.2, True), (1.6, True), (3.4, False)])
def test_a_long_tank_comes_out_of_a_bus_by_its_door(length: float, through: bool) -> None:
    data = blank(vehicle={"preset": "bus"})
    prism = {"shape": "box", "length_m": length, "width_m": 0.66, "height_m": 0.42}
    data["water"] = {"tanks": [{"id": "t", "name": "Fresh", "holds": "fresh", "prisms": [prism]}]}
    data["fit"] = {"places": [{"of": "water:t", "x_m": 4.0, "y_m": -1.0}]}
    found = {f.rule for f in report(load_design(data)).findings if f.subject == "water:t"}
    assert ("fit-door-too-small" not in found) is through
