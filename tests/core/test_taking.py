"""Taking proposals: the same in any order, cables that carry what flows either way, feeders above their branches, own parts kept."""

from __future__ import annotations

import random
from collections import Counter
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from bothy.core.catalogue.parts import appliance_fields, of_kind, parts
from bothy.core.context import Context
from bothy.core.design.document import Design
from bothy.core.proposals.base import GROUPS
from bothy.core.proposing import accept, propose
from bothy.core.report import report
from bothy.core.sizing.prices import price_and_mass
from bothy.core.sizing.space import bank_options, driving_options, panel_options, parts_allowed, space_of
from bothy.core.units import awg_area_mm2
from bothy.core.wiring.conductors import AWG, METRIC
from tests.core.test_ordinary_vehicles import VEHICLES, design_of
from tests.core.trips.test_sizing_search import few, hungry
from tests.designs import FRIDGE, LAMP, lived, made

__all__ = ["few"]
CROSS_SECTIONS = tuple(METRIC)
AWG_AREAS = tuple(awg_area_mm2(x) for x in AWG)

APPLIANCES = st.lists(st.sampled_from(of_kind("appliance")), min_size=1, max_size=9)


def vehicle(items: list[Any], region: str = "uk", preset: str = "panel_van", nights: float = 2.0, place: str = "cardiff") -> Design:
    return made(
        {
            "schema_version": 1,
            "region": region,
            "vehicle": {"preset": preset},
            "life": {"place": place, "nights_between_hookups": nights, "appliances": [{**appliance_fields(p), "id": f"a{i}"} for i, p in enumerate(items)]},
        }
    )


def essence(d: Design) -> dict[str, Any]:
    """What was taken, without ids and the order in which things stand."""
    parallel = d.power.bank is not None and d.power.bank.parallel_count > 1
    warmth = d.warmth.model_dump()
    return {
        "circuits": {(c.kind, tuple(sorted(c.appliances))): (c.area_mm2, c.awg, c.parallel_count, c.fuse_a, c.fuse_family) for c in d.wiring.circuits},
        "others": {(o.kind, o.name): (o.area_mm2, o.awg, o.protection_a) for o in d.wiring.others},
        "battery fuses": bool(d.wiring.battery_fuses) and parallel,
        "power": {**d.power.model_dump(exclude={"arrays"}), "arrays": [a.model_dump(exclude={"id"}) for a in d.power.arrays]},
        "warmth": {**warmth, "alarms": sorted(a["id"] for a in warmth["alarms"])},
        "water": d.water.model_dump(),
        "gas": d.gas.model_dump(),
    }


@settings(max_examples=12, deadline=None, suppress_health_check=[HealthCheck.too_slow])
@given(
    APPLIANCES,
    st.sampled_from(["uk", "eu", "us"]),
    st.sampled_from(["panel_van", "long_high_van", "trailer", "boat"]),
    st.sampled_from([0.0, 2.0, 5.0]),
    st.integers(0, 10**6),
)
def test_taking_group_by_group_in_any_order_gives_what_taking_all_gives(items: list[Any], region: str, preset: str, nights: float, seed: int) -> None:
    start = vehicle(items, region, preset, nights)
    whole, _ = accept(start)
    order = list(GROUPS)
    random.Random(seed).shuffle(order)
    piecemeal = start
    for group in order:
        piecemeal, _ = accept(piecemeal, groups=[group])
    piecemeal, _ = accept(piecemeal)
    assert essence(piecemeal) == essence(whole)
    assert accept(whole)[1] == []


def test_what_is_only_offered_is_taken_when_it_is_named() -> None:
    hooked = made(lived([LAMP, FRIDGE], nights_between_hookups=0.0))
    assert next(p for p in propose(hooked) if p.id == "solar").status == "offer"
    assert accept(hooked)[0].power.arrays == []
    assert accept(hooked, ["solar"])[0].power.arrays


@settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.too_slow])
@given(
    APPLIANCES,
    st.sampled_from(["uk", "us", "au"]),
    st.sampled_from(["panel_van", "long_high_van", "bus"]),
    st.sampled_from([10.0, 30.0, 80.0]),
    st.sampled_from([0.0, 30.0, 100.0]),
)
def test_every_cable_carries_what_can_flow_either_way(items: list[Any], region: str, preset: str, driving: float, charger: float) -> None:
    """The sum of the sources by their ratings, and what the boards draw, each by hand from the design."""
    design = vehicle(items, region, preset)
    design = design.model_copy(
        update={"power": design.power.model_validate({"driving": {"rating_a": driving}, **({"shore": {"charger_current_a": charger}} if charger else {})})}
    )
    design, _ = accept(design)
    r = report(design)
    at = r.wiring.circuits
    volts = 14.4 * Context(design).system_v / 12
    sun = sum(a.panel_power_w * a.series_count * a.parallel_count / volts for a in design.power.arrays)
    if design.power.controller is not None:
        sun = min(sun, design.power.controller.max_charge_current_a)
    into = driving + charger + sun
    for c in design.wiring.circuits:
        part = at[c.id]
        assert part.ampacity_a is None or part.ampacity_a >= part.current_a - 1e-6
        if c.kind == "main":
            assert part.current_a >= 0.95 * into
            assert c.fuse_a is not None and c.fuse_a >= into * 0.95
        if c.kind == "driving":
            assert part.current_a >= driving
        if c.kind == "shore":
            assert part.current_a >= charger
        if c.kind in ("main", "feeder"):
            loads = [x for x in design.wiring.circuits if x.kind == "load" and (c.kind == "main" or x.board == c.board)]
            assert part.current_a >= max((at[x.id].current_a for x in loads if len(x.appliances) == 1), default=0.0) - 1e-6


@settings(max_examples=20, deadline=None, suppress_health_check=[HealthCheck.too_slow])
@given(APPLIANCES, st.sampled_from(["uk", "us"]))
def test_the_fuse_of_a_feeder_stands_well_above_its_largest_branch(items: list[Any], region: str) -> None:
    """A fault behind a branch opens the branch: twice its fuse, where the cable and the board allow it."""
    design, _ = accept(vehicle(items, region))
    for f in (c for c in design.wiring.circuits if c.kind == "feeder"):
        largest = max((c.fuse_a or 0.0 for c in design.wiring.circuits if c.kind == "load" and c.board == f.board), default=0.0)
        board = next(b for b in design.wiring.boards if b.id == f.board)
        assert (f.fuse_a or 0.0) >= min(2 * largest, board.total_rating_a) - 1e-6


OWN_BANK = {**parts()["lfp-100"].data, "part": "lfp-100", "unit_mass_kg": 12.0, "name": "My battery", "owned": True}
OWN_PANEL = {
    **parts()["panel-175"].data,
    "id": "mine",
    "part": "panel-175",
    "name": "My panel",
    "series_count": 2,
    "unit_mass_kg": 9.0,
    "owned": True,
    "by": "proposal",
}


def test_owned_parts_cost_nothing_and_weigh_what_they_weigh() -> None:
    power = hungry(bank=OWN_BANK, arrays=[OWN_PANEL]).power
    assert price_and_mass(power, "eu") == (0.0, pytest.approx(12.0 + 18.0))
    bought = hungry(bank={**OWN_BANK, "owned": False}, arrays=[OWN_PANEL]).power
    assert price_and_mass(bought, "eu")[0] == parts()["lfp-100"].price


def test_the_search_keeps_what_is_owned(few: dict[str, Any]) -> None:
    design = hungry(bank=OWN_BANK, arrays=[OWN_PANEL], driving={"rating_a": 18.0, "owned": True, "name": "My charger"})
    r = space_of(design)
    assert {c.bank.key for c in r.candidates} == {"owned-bank"}
    assert {c.panels.key for c in r.candidates} == {"owned-panels"}
    assert {c.driving.key for c in r.candidates} == {"owned-driving"}
    only = r.candidates[0]
    assert 0 < only.price < 400, "what is left to pay is a controller"
    assert only.power(design.power).bank == design.power.bank
    assert only.power(design.power).controller is not None


def test_an_owned_bank_is_no_choice_at_another_voltage(few: dict[str, Any]) -> None:
    design = hungry(bank=OWN_BANK)
    assert bank_options(Context(design), parts_allowed(design), Counter())
    other = design.model_copy(update={"power": design.power.model_copy(update={"system_voltage_v": 24})})
    assert bank_options(Context(other), parts_allowed(other), Counter()) == []


def test_an_owned_controller_is_kept_with_the_panels(few: dict[str, Any]) -> None:
    own = {**parts()["mppt-100-50"].data, "name": "My controller", "owned": True, "part": "mppt-100-50"}
    design = hungry(arrays=[OWN_PANEL], controller=own)
    [only] = panel_options(Context(design), parts_allowed(design), Counter())
    assert only.price == 0.0
    assert only.value[1] == design.power.controller


def test_what_is_owned_is_not_proposed_again() -> None:
    design = made(lived([LAMP, FRIDGE], {"bank": {**OWN_BANK, "by": "proposal"}, "arrays": [OWN_PANEL]}))
    after, _ = accept(design)
    assert after.power.bank == design.power.bank
    assert after.power.arrays == design.power.arrays
    assert after.power.controller is not None
    assert {o.key for o in driving_options(Context(design), parts_allowed(design))} >= {"no-driving"}


def test_a_feeder_says_what_copper_the_joint_choice_saves() -> None:
    """A boat's long ways at 3 %: with its feeder at 1 % every branch would be thicker."""
    boat = next(design_of(row) for row in VEHICLES if row[0] == "boat")
    feeder = next(p for p in propose(boat) if p.title == "Board feed")
    assert not [w for w in feeder.why if "kg of copper" in w]  # worked out only when it is told
    told = [w for w in feeder.told().why if "kg of copper" in w]
    assert len(told) == 1
    together, apart = (float(x.split(" kg")[0].split()[-1]) for x in (told[0], told[0].split("would be")[1]))
    assert together < apart


@pytest.mark.parametrize("row", VEHICLES, ids=lambda r: r[0])
def test_the_ordinary_vehicles_are_clean_group_by_group_in_any_order_too(row: Any) -> None:
    """Each group by itself, in an order of chance and once more over all, ends as taking all at once does: no danger, no fault, at most six pieces
    of advice."""
    design = design_of(row)
    order = list(GROUPS)
    random.Random(row[0]).shuffle(order)
    for group in [*order, *GROUPS]:
        design, _ = accept(design, groups=[group])
    design, _ = accept(design)
    found = report(design).findings
    assert [f.rule for f in found if f.severity in ("danger", "fault")] == []
    assert sum(f.severity == "advice" for f in found) <= 6
    assert essence(design) == essence(accept(design_of(row))[0])


@pytest.mark.parametrize("row", VEHICLES, ids=lambda r: r[0])
def test_no_branch_is_more_than_two_sizes_above_its_own_need(row: Any) -> None:
    """What a branch needs by itself: its current, its length, its whole limit of loss to itself, and the least size of practice."""
    design, _ = accept(design_of(row))
    ctx, parts_of = Context(design), report(design).wiring.circuits
    sizes = sorted(CROSS_SECTIONS if ctx.region.wire_series == "metric" else AWG_AREAS)
    for c in design.wiring.circuits:
        p = parts_of[c.id]
        if c.kind != "load" or p.ac or not p.length_m:
            continue
        of_loss = 0.0225 * 2 * p.length_m * p.current_a / p.limit_v
        need = next(s for s in sizes if s >= max(of_loss, 1.0) - 1e-9 and (p.current_a <= 6 * s + 4))
        chosen = next(i for i, s in enumerate(sizes) if abs(s - c.metal_mm2) < 0.02 * s)
        assert chosen - sizes.index(need) <= 2, (c.name, c.metal_mm2, need)
