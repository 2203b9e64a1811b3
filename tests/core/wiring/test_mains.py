"""The mains side by region: what is bonded, cut and kept apart in each mode, what the supply carries, which leads reach."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.contract import BadInput
from bothy.core.figure import given
from bothy.core.proposals.supply import us_inlet
from bothy.core.proposing import accept, propose
from bothy.core.report import report
from bothy.core.wiring.lists import bench_lists
from bothy.core.wiring.mains import Draw, fuller_leg, kept_on
from bothy.core.wiring.mains_rules import LEAST_BOND_MM2
from tests.core.test_rules import plugged
from tests.designs import FRIDGE, INVERTER, KETTLE, LAMP, lived, made, reported, wired

DANGERS = {"wire-ac-no-rcd", "wire-ac-single-pole", "wire-ac-parallel-sources", "wire-ac-ne-bond", "wire-ac-chassis-unbonded"}


def dangers(data: dict[str, Any]) -> set[str]:
    return {f.rule for f in reported(data).findings if f.rule in DANGERS}


@pytest.mark.parametrize(
    ("mains", "shore", "inverter", "right"),
    [
        ({"bond": "relay"}, True, True, True),
        ({"bond": "none"}, True, True, False),
        ({"bond": "permanent"}, True, True, False),
        ({"bond": "permanent", "transfer": "separate"}, True, True, True),
        ({"bond": "permanent"}, False, True, True),
        ({"bond": "none"}, True, False, True),
    ],
)
def test_exactly_one_neutral_earth_bond_in_every_mode(mains: dict[str, Any], shore: bool, inverter: bool, right: bool) -> None:
    data = plugged(mains)
    if not shore:
        del data["power"]["shore"]
    if not inverter:
        del data["power"]["inverter"]
    assert ("wire-ac-ne-bond" not in dangers(data)) == right


@pytest.mark.parametrize(
    ("region", "poles", "sockets", "wrong"),
    [("uk", "single", True, True), ("us", "single", True, False), ("au", "double", False, True), ("au", "double", True, False)],
)
def test_poles_by_region(region: str, poles: str, sockets: bool, wrong: bool) -> None:
    data = plugged({"poles": poles, "sockets_double_pole": sockets})
    assert ("wire-ac-single-pole" in dangers({**data, "region": region})) == wrong


def test_the_usual_side_of_every_region_has_no_danger_and_names_who_must_do_it() -> None:
    for region in ("uk", "eu", "us", "au"):
        design = accept(made({**plugged(None), "region": region}), ids=["mains"])[0]
        r = report(design)
        assert not {f.rule for f in r.findings} & DANGERS, region
        assert design.wiring.mains is not None
        assert design.wiring.mains.poles == ("single" if region == "us" else "double")
    told = next(p for p in propose(made(plugged(None))) if p.id == "mains")
    assert any("licensed electrician" in w for w in told.why)
    for f in reported(plugged({"rcd": False})).findings:
        if f.rule in DANGERS:
            assert r.licensed.split(":")[0].split(" ")[0] in f.message


def test_every_danger_of_the_mains_side_is_cleared_by_its_remedy_together() -> None:
    data = plugged({"rcd": False, "inverter_rcd": False, "poles": "single", "transfer": "joined", "bond": "none", "chassis_bond_mm2": 1.5})
    assert dangers(data) == DANGERS
    for f in reported(data).findings:
        if f.rule in DANGERS and f.fix:
            op = f.fix.patch[0]
            data["wiring"]["mains"][op["path"].rsplit("/", 1)[1]] = op["value"]
    assert data["wiring"]["mains"]["chassis_bond_mm2"] == LEAST_BOND_MM2
    data["wiring"]["mains"]["inverter_rcd"] = True
    assert dangers(data) == set()


def test_no_mains_no_findings_of_it() -> None:
    r = reported(lived([LAMP, FRIDGE]))
    assert r.wiring.mains is None
    assert not [f for f in r.findings if f.rule.startswith("wire-ac")]


def test_what_the_supply_carries_is_the_weaker_of_inlet_and_post_and_its_continuous_share() -> None:
    data = plugged({})
    data["life"]["appliances"] = [KETTLE]
    data["power"]["shore"] = {"charger_current_a": 20.0, "inlet_current_a": 16.0, "supply_current_a": 6.0}
    r = reported(data)
    assert r.wiring.mains is not None
    assert r.wiring.mains.limit_a == 6.0
    us = reported({**data, "region": "us"})
    assert us.wiring.mains is not None
    assert us.wiring.mains.limit_a == pytest.approx(0.8 * 6.0)
    charger = 20 * 12.8 * 1.1 / 0.88 / 230
    assert r.wiring.mains.supply_a == pytest.approx(1000 / 230 + charger)


def test_each_of_two_legs_carries_its_own_loads() -> None:
    """Three air conditioners and a kettle, by hand: 13, 13, 13 and 12 A on two legs are 26 on the fuller; each may carry 40 of its 50."""
    shared = [Draw(n, a) for n, a in (("one", 13.0), ("two", 13.0), ("three", 13.0), ("kettle", 12.0))]
    on, off = kept_on(shared, 40.0)
    assert [d.name for d in off] == ["kettle"]
    on, off = kept_on(shared, 20.0, 2)
    assert [d.name for d in on] == ["one", "two"]
    assert [d.name for d in off] == ["three", "kettle"]
    parts = [(d.name, given("current_a", d.amps, "typed", "")) for d in shared]
    assert sum(f.value for _, f in fuller_leg(parts, 1)) == 51.0
    assert sum(f.value for _, f in fuller_leg(parts, 2)) == 26.0


def test_the_inlet_of_a_us_proposal_carries_everything_on_its_legs() -> None:
    assert us_inlet([8.0], 0.8) == (15.0, 1)
    assert us_inlet([13.0, 10.0], 0.8) == (30.0, 1)
    assert us_inlet([13.0, 13.0], 0.8) == (50.0, 2)


def test_leads_reach_every_circuit_or_say_which_they_do_not() -> None:
    data = plugged({"style": "leads", "stock": [{"length_m": 2.0, "cost": 8.0}, {"length_m": 5.0, "cost": 14.0}]}, length_m=4.0)
    r = reported(data)
    assert r.wiring.mains is not None
    assert r.wiring.mains.legs["c1"].leads_m == [5.0]
    assert 0 < r.wiring.mains.legs["c1"].drop_frac < 0.05
    assert r.working("mains/c1/drop_frac")
    far = plugged({"style": "leads", "stock": [{"length_m": 2.0}], "leads_joined_count": 2}, length_m=4.0)
    assert "wire-ac-lead-short" in {f.rule for f in reported(far).findings}
    far["wiring"]["mains"]["leads_joined_count"] = 3
    assert "wire-ac-lead-short" not in {f.rule for f in reported(far).findings}


def test_an_inverter_alone_needs_its_own_residual_current_device() -> None:
    data = wired(
        {"id": "c1", "name": "c1", "kind": "ac", "appliances": ["kettle"], "area_mm2": 1.5, "fuse_a": 10.0, "protection": "breaker"},
        appliances=[KETTLE],
        power={"inverter": INVERTER},
    )
    data["wiring"]["mains"] = {"inverter_rcd": False}
    assert "wire-ac-no-rcd" in dangers(data)


@pytest.mark.parametrize(
    ("mains", "key", "words"), [({"lead_mm2": 2.0}, "lead_mm2", "2 mm² is not a lead"), ({"lead_awg": "2"}, "lead_awg", "2 AWG is not a lead")]
)
def test_a_size_that_is_no_lead_is_refused(mains: dict[str, Any], key: str, words: str) -> None:
    with pytest.raises(BadInput) as error:
        made(plugged(mains))
    assert error.value.key == key
    assert words in error.value.message


def test_absurd_loads_on_leads_and_cables_are_found_and_break_nothing() -> None:
    """The most that a line takes, on one plug-in leg and on one thin DC cable: found, proposed for, listed."""
    data = plugged({"style": "leads"}, appliances=["oven"])
    data["life"]["appliances"] = [
        KETTLE,
        {**KETTLE, "id": "oven", "power_w": 13000.0, "count": 3, "minutes_per_use": 400.0},
        {**LAMP, "id": "lamp", "power_w": 13000.0, "count": 3, "hours_per_day": 24.0},
    ]
    data["wiring"]["circuits"].append({"id": "dc", "name": "dc", "appliances": ["lamp"], "area_mm2": 1.5, "fuse_a": 10.0, "length_m": 90.0})
    for _ in range(2):
        r = reported(data)
        assert {"wire-ac-load-over-breaker", "wire-voltage-collapse"} <= {f.rule for f in r.findings}
        assert bench_lists(made(data), r.wiring.circuits, r.wiring.raceways, r.wiring.others).cables
        data = accept(made(data))[0].model_dump(mode="json")


@pytest.mark.parametrize(("count", "power", "key"), [(3, 14000.0, "count"), (100, 15000.0, "count")])
def test_more_than_a_vehicle_carries_is_refused_by_line(count: int, power: float, key: str) -> None:
    with pytest.raises(BadInput) as error:
        made(lived([{**LAMP, "power_w": power, "count": count}]))
    assert error.value.key == key
    assert "kW on one line" in error.value.message


def test_more_together_than_a_vehicle_carries_is_refused() -> None:
    with pytest.raises(BadInput, match="together draw 175 kW"):
        made(lived([{**LAMP, "id": f"l{i}", "power_w": 12500.0, "count": 2} for i in range(7)]))
