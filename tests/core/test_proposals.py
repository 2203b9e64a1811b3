"""Proposals: why, what they assume, that they pass their own rules, and that they never touch what was typed."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from bothy.core.catalogue.climates import climates
from bothy.core.catalogue.parts import appliance_fields, of_kind
from bothy.core.design.document import Design
from bothy.core.design.edit import apply_patch
from bothy.core.proposals.base import GROUPS
from bothy.core.proposing import accept, propose
from bothy.core.report import report
from bothy.core.vehicles import PRESETS
from tests.designs import BANK, FRIDGE, INVERTER, KETTLE, LAMP, MPPT, PANELS, circuit, lived, made, wired

HOME = [LAMP, FRIDGE, KETTLE, {**LAMP, "id": "pump", "name": "Pump", "kind": "pump", "power_w": 60.0, "start_multiple": 2.0}]
CAPACITY = {"wire-ac-load-over-breaker", "power-balance-negative", "power-bank-floor", "power-bank-discharge-limit", "power-inverter-none-fits"}
"""What the roof, the catalogue or the alternator cannot give; said, not hidden."""


def taken(data: dict[str, Any]) -> Design:
    return accept(made(data))[0]


def test_an_empty_life_proposes_nothing_for_it() -> None:
    assert [p for p in propose(made(lived([]))) if p.group in ("inverter", "solar", "bank")] == []


def test_each_proposal_says_why_and_what_it_assumed() -> None:
    for p in propose(taken(lived(HOME))):
        assert p.why, p.title
        assert all(w and "None" not in w and "nan" not in w for w in p.why)
        assert p.group in GROUPS


def test_taking_all_fills_the_whole_supply_and_wiring() -> None:
    design = taken(lived(HOME))
    p = design.power
    assert p.bank and p.inverter and p.arrays and p.controller and p.driving and p.shore
    fed = [a for c in design.wiring.circuits for a in c.appliances]
    assert sorted(fed) == sorted(a.id for a in design.life.appliances), "each appliance on exactly one circuit"
    assert {a["id"] for a in HOME} < set(fed), "what Bothy fits is fed too"
    kinds = {c.kind for c in design.wiring.circuits}
    assert kinds == {"load", "ac", "inverter", "solar", "driving", "driving_in", "shore", "feeder", "main"}
    assert all(c.fuse_a and (c.area_mm2 or c.awg) for c in design.wiring.circuits)
    assert all(c.length_m is None for c in design.wiring.circuits), "lengths stay assumed until they are measured"


def test_taking_again_changes_nothing() -> None:
    once = taken(lived(HOME))
    again, ids = accept(once)
    assert ids == []
    assert again == once
    assert {p.status for p in propose(once) if p.group != "cooler"} <= {"fitted"}
    assert [p.status for p in propose(once) if p.group == "cooler"] in ([], ["offer"])


def test_some_can_be_taken() -> None:
    design, ids = accept(made(lived(HOME)), ["bank"])
    assert ids == ["bank"]
    assert design.power.bank is not None
    assert design.power.inverter is None
    grouped, _ = accept(made(lived(HOME)), groups=["inverter"])
    assert grouped.power.inverter is not None
    assert grouped.power.bank is None


@pytest.mark.parametrize(
    ("power", "group"),
    [
        ({"bank": BANK}, "bank"),
        ({"inverter": INVERTER}, "inverter"),
        ({"driving": {"rating_a": 20.0}, "bank": BANK}, "driving"),
        ({"shore": {"charger_current_a": 5.0}, "bank": BANK}, "shore"),
    ],
)
def test_a_proposal_never_overwrites_what_was_typed(power: dict[str, Any], group: str) -> None:
    before = made(lived(HOME, power))
    mine = next(p for p in propose(before) if p.id == group)
    assert mine.status == "kept"
    assert mine.patch == []
    after, ids = accept(before)
    assert group not in ids
    assert getattr(after.power, group) == getattr(before.power, group)


def test_a_typed_circuit_stays_and_its_appliances_are_not_fed_twice() -> None:
    before = made(wired(circuit(area_mm2=10.0, fuse_a=20.0), appliances=HOME))
    after, _ = accept(before, groups=["circuits"])
    assert after.wiring.circuits[0] == before.wiring.circuits[0]
    assert [c.id for c in after.wiring.circuits if "lamp" in c.appliances] == ["c1"]


def test_a_proposed_circuit_is_resized_when_its_length_is_measured() -> None:
    design = taken(lived(HOME))
    i = next(i for i, c in enumerate(design.wiring.circuits) if "fridge" in c.appliances)
    longer = apply_patch(design, [{"op": "replace", "path": f"/wiring/circuits/{i}/length_m", "value": 14.0}], by_proposal=True)
    change = next(p for p in propose(longer) if p.id == f"resize:{design.wiring.circuits[i].id}")
    assert change.status == "change"
    thicker, _ = accept(longer, [change.id])
    assert (thicker.wiring.circuits[i].area_mm2 or 0) > (design.wiring.circuits[i].area_mm2 or 0)


def test_grouping_lights_by_zone_and_each_heavy_appliance_alone() -> None:
    lights = [{**LAMP, "id": f"l{i}", "name": f"Light {i}", "zone": z} for i, z in enumerate(("kitchen", "bed", "bed", "living"))]
    design = taken(lived([*lights, FRIDGE, KETTLE]))
    groups = {tuple(c.appliances) for c in design.wiring.circuits if c.appliances}
    assert ("l1", "l2") in groups
    assert ("fridge",) in groups
    assert ("kettle",) in groups
    assert ("l0",) in groups and ("l3",) in groups


def test_too_much_for_one_shared_cable_is_split() -> None:
    many = [{**LAMP, "id": f"d{i}", "name": f"Device {i}", "kind": "electronics", "power_w": 50.0} for i in range(8)]
    design = taken(lived(many))
    loads = [c for c in design.wiring.circuits if c.kind == "load"]
    assert len(loads) >= 3
    assert sorted(a for c in loads for a in c.appliances) == sorted(a.id for a in design.life.appliances)


@pytest.mark.parametrize(("kettles", "apart"), [(2, False), (5, True)])
def test_mains_appliances_share_a_breaker_as_long_as_it_carries_them(kettles: int, apart: bool) -> None:
    """Where mains breakers carry their full rating, no DC margin is asked of them."""
    shared = circuit(kind="ac", appliances=[f"k{i}" for i in range(kettles)], area_mm2=1.5, fuse_a=10.0, protection="breaker")
    data = wired(shared, appliances=[{**KETTLE, "id": f"k{i}"} for i in range(kettles)])
    found = {f.rule for f in report(made({**data, "region": "uk"})).findings}
    assert ("wire-split-circuit" in found) == apart


def test_an_appliance_too_large_for_a_way_is_fed_from_the_busbar() -> None:
    design = taken(lived([LAMP, {**LAMP, "id": "winch", "name": "Cooler", "kind": "cooling", "power_w": 500.0}]))
    feed = next(c for c in design.wiring.circuits if "winch" in c.appliances)
    assert feed.board is None


def test_a_board_is_not_given_more_than_it_may_carry() -> None:
    """Twelve pumps of 25 A: the heaviest come straight off the busbar until the rest suits the largest board, and the main carries both."""
    pumps = [{**LAMP, "id": f"p{i}", "name": f"Pump {i}", "kind": "pump", "power_w": 260.0 + i} for i in range(12)]
    design = taken(lived(pumps))
    on_board = [c for c in design.wiring.circuits if c.kind == "load" and c.board is not None]
    direct = [c for c in design.wiring.circuits if c.kind == "load" and c.board is None]
    made = report(design)
    assert on_board
    assert direct
    amps = {c.id: made.wiring.circuits[c.id].current_a for c in design.wiring.circuits}
    assert sum(amps[c.id] for c in on_board) <= design.wiring.boards[0].total_rating_a
    assert min(amps[c.id] for c in direct) >= max(amps[c.id] for c in on_board)
    main = next(c for c in design.wiring.circuits if c.kind == "main")
    assert amps[main.id] == pytest.approx(sum(amps[c.id] for c in on_board + direct))


def test_frost_asks_for_heated_units() -> None:
    data = lived(HOME, None, place="inverness", from_month=12, to_month=2)
    data["vehicle"]["bank_place"] = "underfloor"
    bank = taken(data).power.bank
    assert bank is not None
    assert bank.heater_power_w > 0
    assert bank.cold_charge_cutoff


def test_what_is_no_electronics_has_a_circuit_by_its_name() -> None:
    pad = {**LAMP, "id": "pad", "name": "Tank heater", "kind": "other", "zone": "outside", "power_w": 20.0}
    phone = {**LAMP, "id": "phone", "name": "Telephone", "kind": "electronics", "power_w": 10.0}
    names = {c.name for c in taken(lived([LAMP, pad, phone])).wiring.circuits}
    assert "Tank heater" in names and "Electronics, living and cab" in names and "Electronics, rear and outside" not in names
    both = {c.name for c in taken(lived([LAMP, pad, {**pad, "id": "mat", "name": "Step mat"}])).wiring.circuits}
    assert "Electronics, rear and outside" in both


@pytest.mark.parametrize(("by", "severity"), [("typed", "advice"), ("proposal", "note")])
def test_what_a_charger_draws_at_idle_is_advice_and_of_bothys_own_a_note(by: str, severity: str) -> None:
    design = made(lived(None, {"bank": BANK, "driving": {"rating_a": 60.0, "by": by}}))
    assert [f.severity for f in report(design).findings if f.rule == "power-alternator-idle"] == [severity]


def test_a_bank_before_any_panel_says_that_panels_make_it_smaller() -> None:
    def bank(design: Design) -> Any:
        return next(p for p in propose(design) if p.group == "bank")

    bare = made(lived([{**LAMP, "power_w": 250.0}], nights_between_hookups=3))
    with_sun, _ = accept(bare, groups=["solar"])
    assert any("Solar first" in w for w in bank(bare).why)
    assert not any("Solar first" in w for w in bank(with_sun).why)
    assert bank(with_sun).price < bank(bare).price


def test_a_longer_stay_asks_for_no_smaller_bank() -> None:
    def size(nights: float) -> float:
        bank = taken(lived(HOME, None, nights_between_hookups=nights, place="inverness", from_month=12, to_month=1, drive_h_per_day=0.0)).power.bank
        assert bank is not None
        return bank.unit_charge_ah * bank.parallel_count * bank.unit_voltage_v * bank.series_count

    assert size(1) <= size(3) <= size(6)


@pytest.mark.parametrize(("panels", "most_a"), [(0, 50.0), (1, 36.0), (2, 21.0), (3, 18.0), (4, 18.0)])
def test_a_driving_charger_fits_beside_the_sun(panels: int, most_a: float) -> None:
    """A bank for 50 A; each panel charges with about 15 A. Where less is left than the smallest charger gives, it is the smallest."""
    bank = {**BANK, "unit_max_charge_a": 50.0}
    sun = (
        {"arrays": [{**PANELS, "parallel_count": panels}], "controller": {**MPPT, "max_charge_current_a": 60.0, "max_input_current_a": 60.0}} if panels else {}
    )
    data = lived(HOME, {"bank": bank, **sun}, drive_h_per_day=3.0)
    p = next(p for p in propose(made(data)) if p.id == "driving")
    rating = p.patch[0]["value"]["rating_a"]
    assert 18.0 <= rating <= most_a
    assert any("In full sun the panels already charge" in why for why in p.why) == (panels > 0)


def test_a_trailer_has_no_alternator_to_charge_from() -> None:
    data = lived(HOME)
    data["vehicle"] = {"preset": "trailer"}
    assert taken(data).power.driving is None


WORK = {"water-shower-unsealed"}
"""What is done by hand, and no part can do."""
PARTS = of_kind("appliance")


@settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.too_slow])
@given(
    st.lists(st.sampled_from(PARTS), min_size=1, max_size=20),
    st.sampled_from(["uk", "eu", "us", "au"]),
    st.sampled_from(sorted(PRESETS)),
    st.sampled_from(sorted(climates())),
    st.sampled_from(["warm_inside", "unheated_inside", "garage", "underfloor"]),
    st.sampled_from([1.0, 2.0, 5.0]),
)
def test_what_bothy_proposes_passes_its_own_rules(parts: list[Any], region: str, preset: str, place: str, where: str, nights: float) -> None:
    """Any list of catalogue appliances, anywhere: no danger, and no fault but what the roof or the catalogue cannot give."""
    data = {
        "schema_version": 1,
        "region": region,
        "vehicle": {"preset": preset, "bank_place": where},
        "life": {"place": place, "nights_between_hookups": nights, "appliances": [{**appliance_fields(p), "id": f"a{i}"} for i, p in enumerate(parts)]},
    }
    design = taken(data)
    bad = [(f.rule, f.message) for f in report(design).findings if f.severity in ("danger", "fault") and f.rule not in CAPACITY | WORK]
    assert not bad
    fed = sorted(a for c in design.wiring.circuits for a in c.appliances)
    assert fed == sorted(a.id for a in design.life.appliances)
    assert accept(design)[1] == [], "what was taken is what is proposed again"
