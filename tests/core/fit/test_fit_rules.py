"""Rules of Fit: a layout that raises each, and one beside it that doesn't."""

from __future__ import annotations

import math
import re
from typing import Any

import pytest

from bothy.core.contract import BadInput
from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.facts.document import Facts
from bothy.core.facts.evidence import added, entries_between
from bothy.core.finding import RULES
from bothy.core.fit.geometry import geometry_of
from bothy.core.fit.propose import propose_places
from bothy.core.report import Report, report
from bothy.core.wiring.conductors import row_of
from tests.designs import AGM, BANK, CHARGER, FRIDGE, INVERTER, LAMP, blank

SHELL = {
    "levels_z_m": [0.1, 1.0, 1.8],
    "stations": [{"x_m": x, "left_m": [0.9, 0.9, 0.8], "right_m": [0.9, 0.9, 0.8], "height_m": 1.9} for x in (0.0, 2.0, 4.0)],
}
ARCH = {"id": "arch", "name": "Wheel arch", "kind": "wheel_arch", "x0_m": 0.8, "x1_m": 1.6, "y0_m": 0.6, "y1_m": 0.9, "z0_m": 0.0, "z1_m": 0.35}
DOOR = {"id": "side", "name": "Side door", "side": "right", "x0_m": 2.8, "x1_m": 3.8, "clear_width_m": 1.0, "clear_height_m": 1.6}
REAR = {"id": "rear", "name": "Rear doors", "side": "rear", "clear_width_m": 1.4, "clear_height_m": 1.6}
RUNNING = {
    "rear_axle_x_m": 1.0,
    "front_axle_x_m": 5.0,
    "track_m": 1.7,
    "floor_height_m": 0.65,
    "empty_front_kg": 1200.0,
    "empty_rear_kg": 900.0,
    "gross_limit_kg": 3500.0,
    "front_limit_kg": 1800.0,
    "rear_limit_kg": 2200.0,
    "roof_limit_kg": 150.0,
}
INV = {**INVERTER, "part": "inv-2000", "mass_kg": 9.0}
SOCKET = {"id": "socket", "name": "Mains socket", "kind": "socket", "supply": "ac", "power_w": 500.0, "hours_per_day": 0.2}
HOB = {"id": "hob", "name": "Hob"}
TANK = {"id": "fresh", "name": "Fresh", "prisms": [{"shape": "box", "length_m": 0.6, "width_m": 0.4, "height_m": 0.3}], "tank_mass_kg": 5.0}
BOARD = {"id": "house", "name": "House board", "letter": "A"}
FIXED = {"fixing": "bolt_m8_plate", "fixing_count": 8}


def own(id: str, kind: str = "other", size: tuple[float, float, float] = (0.5, 0.5, 0.5), kg: float = 2.0, **more: Any) -> dict[str, Any]:
    return {"id": id, "name": id.capitalize(), "kind": kind, "length_m": size[0], "width_m": size[1], "height_m": size[2], "mass_kg": kg, **more}


def at(of: str, x: float, y: float, z: float = 0.0, **more: Any) -> dict[str, Any]:
    return {"of": of, "x_m": x, "y_m": y, "z_m": z, **FIXED, **more}


def laid(
    *places: dict[str, Any], fit: dict[str, Any] | None = None, running: dict[str, Any] | None = None, body: dict[str, Any] | None = None, **parts: Any
) -> Design:
    data = blank(
        **{"life": {"appliances": [LAMP, FRIDGE, SOCKET], "people": 2, "place": "london"}, "power": {"bank": BANK, "inverter": INV, "shore": CHARGER}, **parts}
    )
    data["wiring"] = {"boards": [BOARD], **data.get("wiring", {})}
    data["fit"] = {
        "body": {**SHELL, "obstacles": [ARCH], "doors": [DOOR, REAR], "running": {**RUNNING, **(running or {})}, **(body or {})},
        "places": list(places),
        **(fit or {}),
    }
    return load_design(data)


def rules_of(design: Design, evidence: Any = ()) -> dict[str, Any]:
    return {f.rule: f for f in report(design, evidence).findings if f.stage in ("fit", "prove")}


WATER = {"water": {"tanks": [TANK]}}
GAS = {"gas": {"appliances": [HOB], "vessels": [{"id": "v", "capacity_kg": 6.0}]}}
LOCKER = {
    "id": "locker",
    "name": "Gas locker",
    "kind": "gas_locker",
    "x0_m": 0.0,
    "x1_m": 0.5,
    "y0_m": -0.9,
    "y1_m": -0.5,
    "z0_m": 0.0,
    "z1_m": 0.7,
    "thermal": "outside",
}
AISLE = {**LOCKER, "id": "aisle", "name": "Aisle", "x0_m": 1.9, "x1_m": 2.7, "y0_m": -0.1, "y1_m": 0.6}
BOX = own("box", kg=0.5)
FAR = {"gross_limit_kg": 60000.0, "front_limit_kg": 40000.0, "rear_limit_kg": 40000.0}
HEAVY = own("safe", kg=800.0, hollow=False)


PUMP = {"water": {"pump": {"points": [{"flow_l_min": 0.0, "pressure_kpa": 200.0}, {"flow_l_min": 10.0, "pressure_kpa": 0.0}]}}}


def abed(of: str, x: float, z: float) -> Design:
    """A bed of 2.0 m along the right wall, from 0.1 m on, and something at a place by its left side."""
    return laid(at("own:bunk", 0.1, -0.85), at(of, x, -0.15, z), fit={"own": [own("bunk", "bed", (2.0, 0.7, 0.5), 20.0)]}, **PUMP)


def in_a_bench(vent_cm2: float | None, **bay: Any) -> Design:
    """An inverter of 2 kW in a bench that is closed all round but for two openings."""
    bench = {"id": "bench", "name": "Bench", "kind": "bench", "x0_m": 1.0, "x1_m": 2.4, "y0_m": -0.87, "y1_m": -0.3, "z0_m": 0.0, "z1_m": 0.5}
    closed = {**bench, "enclosed": True, "vent_cm2": vent_cm2, **bay}
    power = {"bank": BANK, "inverter": {"name": "Inverter", "rating_w": 2000.0, "surge_power_w": 4000.0}}
    return laid({**at("power:inverter", 1.4, -0.8, 0.05), "bay": "bench"}, fit={"bays": [closed]}, power=power)


def beside_people(**bay: Any) -> Design:
    """A generator in a locker of its own in the middle of the room."""
    aisle = {**AISLE, "kind": "outside_locker", **bay}
    return laid(at("power:generator", 2.0, 0.0), fit={"bays": [aisle]}, power={"bank": BANK, "generator": {"rating_w": 2000.0}})


def shut(x: float, **warmth: Any) -> Design:
    """No way through to a cab; a wardrobe along the whole side door, and one across the rear doors that begins at ``x``."""
    tall = [own("side", "wardrobe", (1.0, 0.4, 1.6)), own("rear", "wardrobe", (0.4, 1.4, 1.6))]
    return laid(at("own:side", 2.8, -0.9), at("own:rear", x, -0.7), fit={"own": tall}, warmth={"cab": "bulkhead", **warmth})


def bundle(counted: int) -> Design:
    """Three loaded circuits over one way of 2 m, which count so many."""
    nodes = [{"id": "n1", "x_m": 0.6, "y_m": 0.0, "z_m": 0.1}, {"id": "n2", "x_m": 2.6, "y_m": 0.0, "z_m": 0.1}]
    way = {"id": "trough", "a": "n1", "b": "n2", "services": ["dc"]}
    loads = [{**FRIDGE, "id": f"f{i}", "power_w": 100.0} for i in range(3)]
    sized = {"kind": "load", "board": "house", "area_mm2": 2.5, "bundled_count": counted}
    circuits = [{"id": f"c{i}", "name": f"Circuit {i}", "appliances": [f"f{i}"], **sized} for i in range(3)]
    return laid(
        at("wiring:house", 0.55, -0.1, 0.1),
        *(at(f"life:f{i}", 2.6, 0.1, 0.0) for i in range(3)),
        fit={"nodes": nodes, "ways": [way], "closed": CLOSED},
        life={"appliances": loads},
        wiring={"circuits": circuits, "boards": [BOARD]},
    )


def moved(rule: str) -> tuple[Design, Design]:
    """A design that raises a rule, and one beside it that doesn't."""
    cases: dict[str, tuple[Any, Any]] = {
        "fit-outside-shell": (laid(at("own:box", 3.6, 0), fit={"own": [BOX]}), laid(at("own:box", 3.5, 0), fit={"own": [BOX]})),
        "fit-outside-bay": tuple(
            laid(at("own:box", x, -0.85, bay="locker"), fit={"own": [own("box", size=(0.3, 0.3, 0.5))], "bays": [LOCKER]}) for x in (0.25, 0.2)
        ),
        "fit-obstacle": tuple(laid(at("own:box", 1.0, y), fit={"own": [BOX]}) for y in (0.15, 0.1)),
        "fit-overlap": tuple(laid(at("own:box", 2.0, 0), at("own:crate", x, 0), fit={"own": [BOX, own("crate", hollow=False)]}) for x in (2.4, 2.5)),
        "fit-clearance-blocked": tuple(
            laid(at("power:inverter", 2.0, 0, 0.1), at("own:crate", x, 0), fit={"own": [own("crate", hollow=False)]}) for x in (2.45, 2.51)
        ),
        "fit-travel-state": tuple(
            laid(
                at("own:bed", 1.0, -0.3, 1.4, open={"x_m": 1.0, "y_m": -0.3, "z_m": 0.4}),
                at("own:table", x, -0.2),
                fit={"own": [own("bed", size=(1.0, 0.6, 0.1)), own("table", size=(0.4, 0.4, 0.6), hollow=False)]},
            )
            for x in (1.5, 2.1)
        ),
        "fit-orientation": tuple(laid(at("life:fridge", 2.0, 0, up=up)) for up in ("left", "top")),
        "fit-door-too-small": tuple(
            laid(at("own:crate", 2.0, -0.7), fit={"own": [own("crate", size=(s, s, 1.4), kg=30.0, hollow=False)]}) for s in (1.45, 0.8)
        ),
        "fit-removal-blocked": tuple(
            laid(
                at("life:fridge", 0.2, -0.25),
                at("own:wall", 2.0, -0.9),
                at("own:chest", 0.72, -0.9 if blocked else 0.2),
                at("own:door", 0.0, -0.75),
                fit={
                    "own": [
                        own("wall", "partition", (0.05, 1.8, 1.5), hollow=False),
                        own("chest", "wardrobe", (0.5, 1.45 if blocked else 0.3, 1.0)),
                        own("door", "partition", (0.04, 1.5 if blocked else 0.1, 1.2), hollow=False),
                    ]
                },
                body={"doors": [DOOR, REAR], "obstacles": []},
            )
            for blocked in (True, False)
        ),
        "fit-station-from-wall": tuple(
            laid(body={"stations": [{**s, "from_wall": wall and i == 1} for i, s in enumerate(SHELL["stations"])]})
            for wall in (True, False)  # type: ignore[arg-type]
        ),
        "fit-water-above-mains": tuple(laid(at("power:inverter", 2.0, 0, 0.1), at("water:fresh", x, 0, 0.8), **WATER) for x in (2.0, 2.6)),
        "fit-water-above-dc": tuple(laid(at("power:bank", 2.0, 0), at("water:fresh", 2.0, 0, 0.8, tray=tray), **WATER) for tray in (False, True)),
        "fit-battery-near-heat": tuple(
            laid(at("power:bank", 2.0, 0), at("warmth:h", 2.0, y), warmth={"heaters": [{"id": "h", "name": "Heater", "max_w": 2000.0}]}) for y in (0.4, 0.72)
        ),
        "fit-electrics-in-gas-locker": tuple(laid(at("power:shore", x, -0.8, 0.2), fit={"bays": [LOCKER]}) for x in (0.2, 0.6)),
        "fit-gas-indoors": tuple(laid(at("gas:v", x, -0.87, 0.05), fit={"bays": [LOCKER]}, **GAS) for x in (0.6, 0.1)),
        "fit-generator-indoors": (beside_people(sealed_inside=False), beside_people(sealed_inside=True)),
        "fit-inverter-closed": (in_a_bench(60.0), in_a_bench(400.0)),
        "fit-exit-blocked": tuple(shut(x) for x in (0.0, 0.5)),
        "fit-stove-combustible": tuple(
            laid(
                at("gas:hob", 2.0, 0, 0.9),
                at("own:curtain", x, 0, 0.9),
                fit={"own": [own("curtain", size=(0.05, 0.4, 0.5), flammable=True, hollow=False)]},
                **GAS,
            )
            for x in (2.5, 2.7)
        ),
        "fit-isolator-hidden": tuple(
            laid(at("wiring:house", 2.1, 0.1, 0.1, hatch=hatch), at("own:bench", 2.0, 0), fit={"own": [own("bench", "bench", (1.0, 0.6, 0.5))]})
            for hatch in (False, True)
        ),
        "fit-no-hatch": tuple(
            laid(
                at("water:pump", 2.1, 0.1, 0.1, hatch=hatch),
                at("own:bench", 2.0, 0),
                fit={"own": [own("bench", "bench", (1.0, 0.6, 0.5))]},
                water={"pump": {"points": [{"flow_l_min": 0.0, "pressure_kpa": 200.0}, {"flow_l_min": 10.0, "pressure_kpa": 0.0}]}},
            )
            for hatch in (False, True)
        ),
        "fit-heavy-high": tuple(laid(at("power:bank", 2.0, 0, z)) for z in (0.9, 0.1)),
        "fit-heavy-behind-axle": tuple(laid(at("own:safe", x, 0), fit={"own": [{**HEAVY, "mass_kg": 60.0}]}) for x in (0.1, 0.5)),
        "fit-mass-missing": (
            laid(at("warmth:h", 2, 0), warmth={"heaters": [{"id": "h", "name": "Stove", "kind": "stove", "max_w": 4000.0}]}),
            laid(at("own:box", 2, 0), fit={"own": [BOX]}, life={"appliances": [LAMP]}, power={}),
        ),
        "fit-switch-height": tuple(laid(at("wiring:panel", 2.0, 0, z), wiring={"panel": {"width_mm": 200.0, "height_mm": 100.0}}) for z in (1.6, 1.0)),
        "fit-socket-near-water": tuple(laid(at("life:socket", x, 0, 0.95), at("gas:hob", 2.0, 0, 0.9), **GAS) for x in (2.5, 2.8)),
        "fit-noise-by-bed": tuple(abed("water:pump", x, 0.7) for x in (1.0, 3.4)),
        "fit-bed-locker": tuple(abed("life:socket", x, 1.2) for x in (2.9, 2.2)),
        "fit-bundle-derate": tuple(bundle(n) for n in (2, 3)),
        "fit-port-outside": tuple(
            laid(at("own:box", 2, 0), fit={"own": [BOX], "sizes": [{"of": "own:box", "ports": [{"x_m": x, "y_m": 0.1, "z_m": 0.1}]}]}) for x in (0.501, 0.5)
        ),
        "fit-gone": (laid(at("life:gone", 2, 0)), laid(at("life:lamp", 2, 0))),
        "fit-route-none": tuple(
            laid(
                at("power:bank", 0.5, -0.8),
                at("power:inverter", 3.4, 0.4, 0.2),
                fit={"closed": closed},
                wiring={"circuits": [{"id": "feed", "name": "Feed", "kind": "inverter"}]},
            )
            for closed in (CLOSED, [])
        ),
        "fit-tie-down-none": tuple(laid(at("power:bank", 2, 0, **({"fixing": None} if loose else {}))) for loose in (True, False)),
        "fit-tie-down-weak": tuple(laid(at("power:bank", 2, 0, fixing=f, fixing_count=4)) for f in ("wood_screw_ply", "bolt_m8_plate")),
        "fit-gross-over": tuple(laid(at("own:safe", 3, 0), fit={"own": [{**HEAVY, "mass_kg": kg}]}) for kg in (1500.0, 100.0)),
        "fit-axle-over": tuple(
            laid(at("own:safe", 0.8, 0), fit={"own": [{**HEAVY, "mass_kg": kg}]}, running={"gross_limit_kg": 6000.0}) for kg in (1400.0, 400.0)
        ),
        "fit-payload-thin": tuple(laid(at("own:box", 2, 0), fit={"own": [BOX]}, running={"gross_limit_kg": g}) for g in (2480.0, 3500.0)),
        "fit-reserve-short": tuple(laid(at("own:box", 2, 0), fit={"own": [BOX]}, running={"gross_limit_kg": g}) for g in (2480.0, 3500.0)),
        "fit-axle-lift": tuple(laid(at("own:safe", x, 0), fit={"own": [{**HEAVY, "mass_kg": 3000.0}]}, running=FAR) for x in (-1.5, 2.0)),
        "fit-front-axle-light": tuple(laid(at("own:safe", x, 0), fit={"own": [{**HEAVY, "mass_kg": 1500.0}]}, running=FAR) for x in (0.1, 2.5)),
        "fit-side-imbalance": tuple(laid(at("own:safe", 2, y), fit={"own": [HEAVY]}, running=FAR) for y in (0.35, -0.25)),
        "fit-top-heavy": tuple(laid(at("own:safe", 2, -0.25, z), fit={"own": [{**HEAVY, "mass_kg": 2500.0}]}, running=FAR) for z in (1.35, 0.0)),
        "fit-licence": tuple(laid(at("own:box", 2, 0), fit={"own": [BOX]}, running={"gross_limit_kg": g}) for g in (3501.0, 3500.0)),
        "fit-roof-load": tuple(
            laid(at("power:array-p", 1, -0.5, 2.0), power={"arrays": [{**PANEL, "parallel_count": n, "unit_mass_kg": 40.0}]}) for n in (4, 2)
        ),
    }
    bad, good = cases[rule]
    return bad, good


PANEL: dict[str, Any] = {"id": "p", "panel_power_w": 200.0, "vmp_v": 33.0, "imp_a": 6.06, "voc_v": 39.6, "isc_a": 6.45}
CLOSED = [e.id for e in report(laid()).fit.edges if e.layer == "d"]
"""Every way of low voltage."""
HERE = [
    "fit-outside-shell",
    "fit-outside-bay",
    "fit-obstacle",
    "fit-overlap",
    "fit-clearance-blocked",
    "fit-travel-state",
    "fit-orientation",
    "fit-door-too-small",
    "fit-removal-blocked",
    "fit-station-from-wall",
    "fit-water-above-mains",
    "fit-water-above-dc",
    "fit-battery-near-heat",
    "fit-electrics-in-gas-locker",
    "fit-gas-indoors",
    "fit-generator-indoors",
    "fit-inverter-closed",
    "fit-exit-blocked",
    "fit-stove-combustible",
    "fit-isolator-hidden",
    "fit-no-hatch",
    "fit-heavy-high",
    "fit-heavy-behind-axle",
    "fit-mass-missing",
    "fit-switch-height",
    "fit-socket-near-water",
    "fit-noise-by-bed",
    "fit-bed-locker",
    "fit-bundle-derate",
    "fit-gone",
    "fit-port-outside",
    "fit-route-none",
    "fit-tie-down-none",
    "fit-tie-down-weak",
    "fit-gross-over",
    "fit-axle-over",
    "fit-payload-thin",
    "fit-reserve-short",
    "fit-axle-lift",
    "fit-front-axle-light",
    "fit-side-imbalance",
    "fit-top-heavy",
    "fit-licence",
    "fit-roof-load",
]
TAGGED = ("fit-route-heat", "fit-route-moving-part", "fit-route-sharp-edge")
CAMPER = ("fit-camper-mass", "fit-camper-behind")
TRAILER = ("fit-nose-light", "fit-nose-heavy", "fit-nose-over-limit", "fit-tow-over", "fit-tow-ratio")
OPENS = ("fit-opening-body",)
WEIGHED = ("fit-mass-unaccounted", "fit-mass-misplaced", "fit-lump-implausible")


def test_every_rule_of_the_field_is_tried_here() -> None:
    of_the_roof = {
        r.id for r in RULES.values() if any(getattr(s, "id", "").startswith("roof.") for s in (r.source if isinstance(r.source, tuple) else (r.source,)))
    }
    assert {r for r in RULES if r.startswith("fit-")} - of_the_roof == {*HERE, *TAGGED, *CAMPER, *TRAILER, *WEIGHED, *OPENS}


@pytest.mark.parametrize("rule", HERE)
def test_the_rule_speaks_and_beside_it_is_silent(rule: str) -> None:
    bad, good = moved(rule)
    found = rules_of(bad)
    assert rule in found, sorted(found)
    assert rule not in rules_of(good)
    fix = found[rule].fix
    if fix is not None and not rule.startswith("fit-clearance"):
        assert rule not in rules_of(apply_patch(bad, fix.patch)), fix.label
    for answer in found[rule].answers:
        assert rule not in rules_of(apply_patch(bad, answer.patch)), answer.label


@pytest.mark.parametrize(("rule", "tag"), list(zip(TAGGED, ("heat", "moving_part", "sharp_edge"), strict=True)))
def test_a_way_past_something_is_said(rule: str, tag: str) -> None:
    nodes = [{"id": "n1", "x_m": 0.6, "y_m": 0.0, "z_m": 0.3}, {"id": "n2", "x_m": 3.6, "y_m": 0.0, "z_m": 0.3}]
    for tags, speaks in (([tag], True), ([], False)):
        way = {"id": "own-way", "a": "n1", "b": "n2", "services": ["dc"], "tags": tags, "length_m": 0.5}
        d = laid(
            at("power:bank", 0.4, -0.1),
            at("power:inverter", 3.4, 0.0, 0.2),
            fit={"nodes": nodes, "ways": [way], "closed": []},
            wiring={"circuits": [{"id": "feed", "name": "Feed", "kind": "inverter"}]},
        )
        assert (rule in rules_of(d)) is speaks


def towed(x: float, kg: float = 150.0, region: str = "uk", **running: Any) -> Design:
    data = blank(vehicle={"preset": "trailer"}, life={"appliances": [], "people": 2, "place": "london"})
    data["region"] = region
    gear = {
        "rear_axle_x_m": 2.0,
        "second_axle_x_m": 2.0,
        "coupling_x_m": 5.5,
        "nose_empty_kg": 50.0,
        "empty_rear_kg": 750.0,
        "gross_limit_kg": 2500.0,
        **running,
    }
    data["fit"] = {"own": [own("load", "luggage", kg=kg, hollow=False)], "places": [{"of": "own:load", "x_m": x, "y_m": -0.25}], "body": {"running": gear}}
    return load_design(data)


@pytest.mark.parametrize(
    ("rule", "bad", "good"),
    [
        ("fit-nose-light", towed(0.1), towed(2.4)),
        ("fit-nose-heavy", towed(4.0, 300), towed(1.6)),
        ("fit-nose-over-limit", towed(4.0, 300, nose_limit_kg=100.0), towed(2.4, nose_limit_kg=100.0)),
        ("fit-tow-over", towed(2.4, tow_limit_kg=900.0), towed(2.4, tow_limit_kg=2000.0)),
        ("fit-tow-ratio", towed(2.4, tow_vehicle_kg=1300.0), towed(2.4, tow_vehicle_kg=2500.0)),
    ],
)
def test_a_trailer_on_its_ball(rule: str, bad: Design, good: Design) -> None:
    assert rule in rules_of(bad)
    assert rule not in rules_of(good)


def weighed(front: float, rear: float, design: Design | None = None, **more: Any) -> Report:
    design = design or laid(at("own:box", 2, 0), fit={"own": [BOX]})
    model = report(design).fit.weight.loadings[0]
    assert model.front_kg is not None and model.rear_kg is not None
    measured = Facts.model_validate(
        {"weighings": [{"id": "w", "front_kg": model.front_kg + front, "rear_kg": model.rear_kg + rear, "loaded": "travel", **more}]}
    )
    return report(design, added((), entries_between(Facts(), measured)))


def test_the_weighbridge_finds_a_lump_a_couple_and_a_slip() -> None:
    rules = {f.rule for f in weighed(20, 130).findings}
    assert {"fit-mass-unaccounted"} <= rules and "fit-lump-implausible" not in rules
    assert "fit-mass-misplaced" in {f.rule for f in weighed(40, -40).findings}
    assert "fit-lump-implausible" in {f.rule for f in weighed(-300, 360).findings}
    assert not {f.rule for f in weighed(5, 5).findings} & set(WEIGHED)
    assert "test-overweight" in {f.rule for f in weighed(900, 0).findings}
    assert "test-weight-differs" in {f.rule for f in weighed(0, 80).findings}


def test_a_booked_difference_counts_from_then_on() -> None:
    before, after = weighed(20, 130).fit.weight, weighed(20, 130, booked=True).fit.weight
    assert after.loadings[0].gross_kg - before.loadings[0].gross_kg == pytest.approx(150)
    assert any(r.key.startswith("unaccounted") for r in after.rows)


@pytest.mark.parametrize(
    ("fit", "key"),
    [
        ({"body": {**SHELL, "stations": [SHELL["stations"][1], SHELL["stations"][0]]}}, "x_m"),
        ({"body": {**SHELL, "levels_z_m": [1.0, 0.5, 0.2]}}, "levels_z_m"),
        ({"bays": [{**LOCKER, "x1_m": -0.2}]}, "x1_m"),
        ({"places": [at("own:a", 1, 0), at("own:a", 2, 0)]}, "of"),
        ({"places": [at("own:a", 1, 0, bay="nowhere")]}, "bay"),
        ({"own": [own("a", kg=-3.0)]}, "mass_kg"),
        ({"signals": [{"id": "s", "a": "own:a", "b": "own:a"}]}, "b"),
        ({"signals": [{"id": "s", "a": "own:a", "b": "own:c"}, {"id": "s", "a": "own:a", "b": "own:d"}]}, "id"),
        ({"bores": [{"way": "across", "inside_mm": 20.0}, {"way": "across", "inside_mm": 30.0}]}, "way"),
        ({"bores": [{"way": "across", "inside_mm": 0.0}]}, "inside_mm"),
        ({"sizes": [{"of": "own:a", "ports": [{"x_m": 0.1, "y_m": 0.1, "z_m": 0.1}] * 2}]}, "of"),
        ({"places": [at("own:a", 1000, 0)]}, "x_m"),
        ({"body": {"doors": [{"id": "d", "side": "left", "clear_width_m": 0.6, "clear_height_m": 1.0}]}}, "x0_m"),
    ],
)
def test_a_document_that_can_not_be_is_refused_with_its_field(fit: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        load_design({**blank(), "fit": fit})
    assert e.value.key == key


def test_a_net_in_two_pieces_names_the_edge_that_would_join_them() -> None:
    nodes = [{"id": f"n{i}", "x_m": x, "y_m": 0.0, "z_m": 0.3} for i, x in enumerate((0.4, 1.0, 3.0, 3.6))]
    ways = [{"id": f"w{a}", "a": f"n{a}", "b": f"n{b}", "services": ["gas"]} for a, b in ((0, 1), (2, 3))]
    gas = [e.id for e in report(laid()).fit.edges if e.layer == "g"]
    d = laid(
        at("gas:v", 0.1, -0.8),
        at("gas:hob", 3.4, 0.0, 0.9),
        fit={"nodes": nodes, "ways": ways, "closed": gas},
        gas={"appliances": [HOB], "vessels": [{"id": "v", "capacity_kg": 6.0}], "pipes": [{"id": "p", "name": "Pipe", "appliance": "hob"}]},
    )
    route = next(r for r in report(d).fit.routes if r.id == "gas:p")
    assert route.length_m is not None, "one piece serves both"
    pinned = apply_patch(d, [{"op": "add", "path": "/fit/pins/-", "value": {"run": "gas:p", "node": "n3"}}])
    assert next(r for r in report(pinned).fit.routes if r.id == "gas:p").length_m is not None
    assert geometry_of(d).ways.net.missing("gas") == ("n1", "n2", 2.0)


def test_lead_is_drawn_as_lead() -> None:
    d = laid(at("power:bank", 2, 0, up="left"), power={"bank": AGM})
    assert "fit-orientation" in rules_of(d)


def test_a_bundle_that_is_too_warm_for_a_cable_names_it() -> None:
    """2.5 mm² among one: some 30 A; three of 24 A share 0.70 of it."""
    assert rules_of(bundle(2))["fit-bundle-derate"].severity == "note"
    hot = load_design(
        apply_patch(bundle(1), [{"op": "replace", "path": f"/life/appliances/{i}/power_w", "value": 290.0} for i in range(3)]).model_dump(mode="json")
    )
    said = rules_of(hot)["fit-bundle-derate"]
    assert said.severity == "advice" and "too small for its current in “Circuit 0”, “Circuit 1”, “Circuit 2”" in said.message


def test_a_bed_that_is_quiet_at_one_end_says_which() -> None:
    one = rules_of(abed("water:pump", 0.3, 0.7))["fit-noise-by-bed"]
    both = rules_of(abed("water:pump", 1.0, 0.7))["fit-noise-by-bed"]
    assert one.severity == "note" and "The front end is quiet." in one.message
    assert both.severity == "advice" and "quiet" not in both.message


SLIDE = {"id": "s", "on": "left", "depth_m": 0.5, "width_m": 1.6, "height_m": 1.4, "x_m": 1.2}


def test_what_a_slide_out_holds_moves_out_or_is_in_its_way() -> None:
    seat = own("sofa", "bench", (0.8, 0.5, 0.5))
    still = laid(at("own:sofa", 2.0, 0.38), fit={"own": [seat]}, warmth={"slide_outs": [SLIDE]})
    asked = rules_of(still)["fit-travel-state"]
    assert asked.severity == "question"
    moved_out = apply_patch(still, asked.answers[0].patch)
    place = moved_out.fit.places[0].open
    assert place is not None and (place.x_m, place.y_m) == (2.0, 0.88)
    assert "fit-travel-state" not in rules_of(moved_out), "within the room that is there then"
    far = apply_patch(moved_out, [{"op": "replace", "path": "/fit/places/0/open/y_m", "value": 1.2}])
    assert "leaves the vehicle" in rules_of(far)["fit-travel-state"].message
    gone = apply_patch(moved_out, [{"op": "replace", "path": "/warmth/slide_outs", "value": []}])
    assert "leaves the vehicle" in rules_of(gone)["fit-travel-state"].message
    assert report(moved_out).fit.body.rooms[0].box == pytest.approx([1.2, 2.8, -0.9, 1.4, 0.0, 1.4])


def test_people_get_out_through_the_cab_or_past_what_is_low() -> None:
    assert "fit-exit-blocked" in rules_of(shut(0.0))
    assert "fit-exit-blocked" not in rules_of(shut(0.0, cab="curtain"))
    low = apply_patch(shut(0.0), [{"op": "replace", "path": "/fit/own/1/height_m", "value": 0.45}])
    assert "fit-exit-blocked" not in rules_of(low)
    narrow = apply_patch(shut(0.0), [{"op": "replace", "path": "/fit/own/0/length_m", "value": 0.6}])
    assert "fit-exit-blocked" not in rules_of(narrow), "0.4 m of the side door are free"
    less = apply_patch(shut(0.0), [{"op": "replace", "path": "/fit/own/0/length_m", "value": 0.61}])
    assert "fit-exit-blocked" in rules_of(less)


@pytest.mark.parametrize(("kind", "told"), [("living", True), ("garage", True), ("engine_bay", False), ("underfloor", False)])
def test_a_generator_stands_where_its_exhaust_does_not_get_in(kind: str, told: bool) -> None:
    assert ("fit-generator-indoors" in rules_of(beside_people(kind=kind, sealed_inside=True))) is told


def test_heat_that_is_shut_in_is_told_by_its_openings() -> None:
    closed = next(f for f in report(in_a_bench(None)).findings if f.rule == "fit-inverter-closed")
    assert "100 W of heat" in closed.message and "0 mm² each" in closed.message
    wanted = float(re.search(r"Openings of ([\d,]+) mm²", closed.message)[1].replace(",", "")) / 100  # type: ignore[index]
    assert "fit-inverter-closed" in rules_of(in_a_bench(wanted - 2)) and "fit-inverter-closed" not in rules_of(in_a_bench(wanted + 2))
    assert "fit-inverter-closed" not in rules_of(in_a_bench(None, enclosed=False))


def test_a_generator_is_proposed_into_a_locker_of_its_own() -> None:
    bare = laid(power={"bank": BANK, "generator": {"rating_w": 2000.0}})
    proposed = apply_patch(bare, propose_places(bare).patch())
    bay = next(b for b in proposed.fit.bays if b.id == next(p.bay for p in proposed.fit.places if p.of == "power:generator"))
    assert (bay.kind, bay.sealed_inside) == ("outside_locker", True)
    assert "fit-generator-indoors" not in rules_of(proposed)


@pytest.mark.parametrize(("name", "low"), [("Gas alarm", True), ("LPG detector", True), ("Smoke alarm", False), ("Carbon monoxide alarm", False)])
def test_an_alarm_is_proposed_low_where_leaked_gas_gathers(name: str, low: bool) -> None:
    alarm = {"id": "nose", "name": name, "kind": "safety", "power_w": 1.0, "hours_per_day": 24.0, "part": "co-alarm"}
    places = propose_places(laid(life={"appliances": [alarm], "people": 2, "place": "london"})).places
    assert (next(p.doc.z_m for p in places if p.doc.of == "life:nose") <= 0.3) is low


@pytest.mark.parametrize(("z", "told"), [(0.30, False), (0.31, True)])
def test_an_alarm_for_leaked_gas_hangs_low_where_fit_places_it(z: float, told: bool) -> None:
    alarm = {"id": "nose", "name": "Gas alarm", "kind": "safety", "power_w": 1.0, "hours_per_day": 24.0}
    life = {"appliances": [alarm], "people": 2, "place": "london"}
    d = laid(at("life:nose", 2.0, 0.8, z), life=life, gas={**GAS["gas"], "lpg_alarm": {"height_m": 0.15}})
    found = next((f for f in report(d).findings if f.rule == "gas-lpg-alarm-missing"), None)
    assert (found is not None) is told
    if found is not None and found.fix is not None:
        assert "gas-lpg-alarm-missing" not in {f.rule for f in report(apply_patch(d, found.fix.patch)).findings}


def test_all_that_stands_in_a_slide_outs_way_is_one_question() -> None:
    seats = [own(f"seat{i}", "bench", (0.2, 0.3, 0.4)) for i in range(8)]
    still = laid(*(at(f"own:seat{i}", 1.2 + 0.2 * i, 0.55) for i in range(8)), fit={"own": seats}, warmth={"slide_outs": [SLIDE]})
    asked = [f for f in report(still).findings if f.rule == "fit-travel-state"]
    assert len(asked) == 1
    assert "2 more" in asked[0].message
    assert asked[0].related == [f"own:seat{i}" for i in range(8)]
    moved = apply_patch(still, asked[0].answers[0].patch)
    assert [round(p.open.y_m, 3) for p in moved.fit.places if p.open] == [1.05] * 8
    assert "fit-travel-state" not in rules_of(moved)


@pytest.mark.parametrize(
    ("warmth", "says"),
    [
        ({"slide_outs": [{**SLIDE, "x_m": 3.4}]}, "past the body"),
        ({"slide_outs": [{**SLIDE, "depth_m": 1.95}]}, "past the body"),
        ({"slide_outs": [SLIDE, {**SLIDE, "id": "t", "x_m": 2.6}]}, "“Slide-out 2” reach 200 mm into each other"),
        ({"slide_outs": [{**SLIDE, "depth_m": 1.0}, {**SLIDE, "id": "t", "on": "right", "depth_m": 1.0}]}, "into each other"),
        ({"slide_outs": [{**SLIDE, "x_m": 0.2}, {**SLIDE, "id": "t", "on": "rear", "x_m": None}]}, "into each other"),
        ({"pop_top": {"length_m": 2.0, "width_m": 2.4, "height_m": 0.6}}, "past the body"),
    ],
)
def test_what_opens_fits_the_body(warmth: dict[str, Any], says: str) -> None:
    found = rules_of(laid(warmth=warmth))["fit-opening-body"]
    assert found.severity == "fault"
    assert says in found.message


@pytest.mark.parametrize(
    "warmth",
    [
        {"slide_outs": [SLIDE, {**SLIDE, "id": "t", "x_m": 0.2, "width_m": 1.0}]},
        {"slide_outs": [SLIDE, {**SLIDE, "id": "t", "on": "right"}]},
        {"pop_top": {"length_m": 2.0, "width_m": 1.6, "height_m": 0.6}},
    ],
)
def test_slide_outs_beside_each_other_fit(warmth: dict[str, Any]) -> None:
    assert "fit-opening-body" not in rules_of(laid(warmth=warmth))


def test_a_bed_under_a_raised_roof_and_the_cable_that_goes_with_it() -> None:
    lamp = {"circuits": [{"id": "c", "name": "Lamp", "board": "house", "appliances": ["lamp"]}]}
    low = laid(at("life:lamp", 2.0, 0.0, 1.7), at("wiring:house", 2.0, -0.3, 0.4), wiring=lamp)
    up = apply_patch(low, [{"op": "add", "path": "/fit/places/0/open", "value": {"x_m": 2.0, "y_m": 0.0, "z_m": 2.2}}])
    assert "fit-travel-state" in rules_of(up)
    raised = apply_patch(up, [{"op": "replace", "path": "/warmth/pop_top", "value": {"length_m": 2.0, "width_m": 1.2, "height_m": 0.7}}])
    assert "fit-travel-state" not in rules_of(raised)
    assert report(raised).wiring.circuits["c"].length_m == pytest.approx(report(low).wiring.circuits["c"].length_m + 0.5, abs=0.002)


def on_a_truck(**running: Any) -> Design:
    data = blank(vehicle={"preset": "truck_camper"}, life={"appliances": [], "people": 1, "place": "denver"})
    data["fit"] = {"own": [own("load", "luggage", kg=100.0, hollow=False)], "places": [{"of": "own:load", "x_m": 1.0, "y_m": -0.25}]}
    data["fit"]["body"] = {"running": {"rear_axle_x_m": 1.2, "front_axle_x_m": 5.0, "empty_front_kg": 1700.0, "empty_rear_kg": 1200.0, **running}}
    return load_design(data)


def test_a_camper_is_a_body_of_its_own_on_the_truck() -> None:
    unknown = rules_of(on_a_truck())
    assert unknown["fit-camper-mass"].severity == "question"
    assert "fit-camper-behind" not in rules_of(on_a_truck(rear_axle_x_m=2.0)), "without its mass nothing is said of its centre"
    ahead, behind = on_a_truck(camper_kg=700.0, camper_x_m=1.5), on_a_truck(camper_kg=700.0, camper_x_m=0.9)
    assert not set(CAMPER) & set(rules_of(ahead))
    assert "0.26 m behind" in rules_of(behind)["fit-camper-behind"].message, "1.2 − (700 × 0.9 + 100 × 1.25)/800 = 0.256"
    first = report(behind).fit.weight.loadings[0]
    assert first.gross_kg == pytest.approx(1700 + 1200 + 700 + 100)
    assert first.front_kg == pytest.approx(1700 + (700 * -0.3 + 100 * 0.05) / 3.8)


def _conduit(mm: float, signals: int = 0) -> Design:
    """The three circuits of 2.5 mm² of a bundle, two cores each, in a way that is a conduit; with signal cables from the board to a load."""
    lines = [{"id": f"s{i}", "kind": "sensor", "a": "wiring:house", "b": "life:f0"} for i in range(signals)]
    base = bundle(3)
    ops = [{"op": "add", "path": "/fit/bores/-", "value": {"way": "trough", "inside_mm": mm}}, {"op": "replace", "path": "/fit/signals", "value": lines}]
    return apply_patch(base, [*ops, {"op": "replace", "path": "/fit/ways/0/services", "value": ["dc", "data"]}])


def overfull(d: Design) -> Any:
    return next((f for f in report(d).findings if f.rule == "wire-conduit-overfull"), None)


def test_a_conduit_of_the_ways_is_full_at_two_fifths_of_its_inside() -> None:
    """Six cores: their discs take at most 40 % of the pipe, so D = √(6·od²/0.40); a hair less is too full, and the one press mends it."""
    od = row_of(2.5, None)[1].od_mm
    least = math.sqrt(6 * od**2 / 0.40)
    assert overfull(_conduit(math.ceil(10 * least) / 10)) is None
    small = _conduit(math.floor(10 * least) / 10)
    said = overfull(small)
    assert said is not None and "6 cables" in said.message and "Circuit 0" in said.message
    assert overfull(apply_patch(small, said.fix.patch)) is None
    part = report(small).fit.conduits[0]
    assert part.fill_frac == pytest.approx(6 * od**2 / part.inside_mm**2) and not part.ok


def test_signal_cables_take_their_room_in_a_conduit() -> None:
    od = row_of(2.5, None)[1].od_mm
    with_two = math.sqrt((6 * od**2 + 2 * 4.0**2) / 0.40)
    assert overfull(_conduit(round(with_two - 0.1, 1), 2)) is not None
    assert overfull(_conduit(round(with_two + 0.1, 1), 2)) is None


def _signal(kind: str, watts: float, **more: Any) -> Any:
    base = _conduit(100.0)
    line = {"id": "s", "name": "Probe", "kind": kind, "a": "wiring:house", "b": "life:f0", **more}
    ops = [{"op": "replace", "path": f"/life/appliances/{i}/power_w", "value": watts} for i in range(3)]
    d = apply_patch(base, [*ops, {"op": "add", "path": "/fit/signals/-", "value": line}])
    return d, next((f for f in report(d).findings if f.rule == "wire-data-near-mains" and f.subject == "s"), None)


def test_a_signal_cable_beside_a_large_current_is_told() -> None:
    """From 20 A on, along more than a metre: here over the whole trough of 2 m."""
    assert _signal("sensor", 100.0)[1] is None
    assert _signal("sensor", 290.0)[1].fix is None
    d, said = _signal("display", 290.0)
    assert "50 mm" in said.message
    assert not any(f.rule == "wire-data-near-mains" for f in report(apply_patch(d, said.fix.patch)).findings)
    assert _signal("display", 290.0, screened=True)[1] is None


def test_a_signal_cable_whose_thing_has_gone_is_taken_away() -> None:
    d, _ = _signal("sensor", 100.0)
    gone = apply_patch(d, [{"op": "replace", "path": "/fit/signals/0/b", "value": "life:radio"}])
    said = rules_of(gone)["fit-gone"]
    assert said.subject == "s" and "life:radio" in said.message
    assert "fit-gone" not in rules_of(apply_patch(gone, said.fix.patch))


def test_what_is_in_the_way_out_names_the_screws_that_free_it() -> None:
    blocked, _ = moved("fit-removal-blocked")
    places = range(len(blocked.fit.places))
    loose = apply_patch(blocked, [{"op": "replace", "path": f"/fit/places/{i}/fixing", "value": None} for i in places])
    assert "freed by" not in rules_of(loose)["fit-removal-blocked"].message
    held = [{"op": "replace", "path": f"/fit/places/{i}/{k}", "value": v} for i in places for k, v in (("fixing", "insert_m6"), ("fixing_count", 5))]
    said = rules_of(apply_patch(blocked, held))["fit-removal-blocked"].message
    assert "is freed by its 6 fixings (M6 threaded insert" in said
