"""Supplies side by side: schools are made of catalogue parts, run on the same weathers, and a difference is told only where there is one."""

from __future__ import annotations

import copy
from typing import Any

import pytest

from bothy.core.calculators import calculate
from bothy.core.catalogue.parts import parts
from bothy.core.context import Context
from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.power.panels import solar_of
from bothy.core.sizing.compare import MOST, Beside, side_by_side
from bothy.core.sizing.prices import price_and_mass
from bothy.core.sizing.schools import School, schools_of
from bothy.core.trips.itinerary import NoTrip
from bothy.core.trips.of_design import run_trip
from bothy.demo import curlew, saltbush
from tests.designs import AGM, BANK, CHARGER, DCDC, FRIDGE, INVERTER, LAMP, MPPT, PANELS, lived


def made(*, vehicle: dict[str, Any] | None = None, trips: dict[str, Any] | None = None, life: dict[str, Any] | None = None, **power: Any) -> Design:
    supply = {"bank": BANK, "arrays": [PANELS], "controller": MPPT, "driving": DCDC, "inverter": INVERTER, "shore": CHARGER, **power}
    data = lived([{**LAMP, "power_w": 20.0, "hours_per_day": 24.0}, FRIDGE], {k: v for k, v in supply.items() if v is not None}, **(life or {}))
    data["vehicle"] |= vehicle or {}
    data["trips"] = {
        "start_date": "2026-03-10",
        "legs": [{"id": "a", "place": "cardiff", "days_count": 5}, {"id": "b", "place": "london", "days_count": 4, "drive_h": 2.0}],
        "draw_count": 20,
        **(trips or {}),
    }
    return load_design(copy.deepcopy(data))


def schools(design: Design) -> dict[str, School]:
    return {s.key: s for s in schools_of(Context(design))}


def rows(design: Design, *others: tuple[str, str, Design]) -> dict[str, Beside]:
    return {b.key: b for b in side_by_side(design, others).rows}


def test_the_schools_are_the_other_ways() -> None:
    assert set(schools(made())) == {"lead", "second_bank", "pwm", "ground", "lift", "relay", "station"}
    assert set(schools(made(bank=AGM, controller={**MPPT, "controller_type": "pwm"}, driving={"name": "Relay", "school": "relay", "rating_a": 100.0}))) == {
        "lithium",
        "second_bank",
        "mppt",
        "ground",
        "lift",
        "dcdc",
        "station",
    }
    assert set(schools(made(driving=None, controller=None, arrays=None))) == {"lead", "second_bank", "station"}
    assert "station" not in schools(made(vehicle={"vehicle_voltage_v": 24}, bank={**BANK, "series_count": 2}))


def test_panels_are_laid_out_at_the_tilt_of_the_darkest_month() -> None:
    here = made(life={"place": "edinburgh", "from_month": 12, "to_month": 12}, arrays=[{**PANELS, "mounting": "glued", "roof_radius_m": 3.0}])
    ground = schools(here)["ground"].power.arrays[0]
    best = calculate("peak-sun-hours", {"place": "edinburgh", "month": 12, "azimuth_deg": 180}).dump()["best_tilt_deg"]
    assert (ground.deploy, ground.tilt_deg, ground.mounting, ground.roof_radius_m) == ("ground", best, "open_rack", None)
    assert best == 70
    lifted = schools(here)["lift"].power.arrays[0]
    assert (lifted.deploy, lifted.tilt_deg, lifted.azimuth_deg) == ("lift", 30, 0)
    beside = rows(here)
    assert beside["ground"].short_days_frac <= beside["this"].short_days_frac
    south = made(life={"place": "melbourne", "from_month": 6, "to_month": 6})
    out = south.model_copy(update={"power": schools(south)["ground"].power})
    assert solar_of(Context(out), "winter").value > 1.5 * solar_of(Context(south), "winter").value, "there they face north"
    assert "ground" not in schools(made(arrays=[{**PANELS, "deploy": "ground"}]))


def test_panels_with_their_own_controller_keep_it_but_at_a_station() -> None:
    own = {**PANELS, "id": "own", "name": "Own", "controller": {**MPPT, "name": "Own"}}
    all_ = schools(made(arrays=[PANELS, own]))
    assert [a.controller is not None for a in all_["pwm"].power.arrays] == [False, True]
    assert all_["pwm"].power.arrays[1].series_count == 1
    assert [a.controller for a in all_["station"].power.arrays] == [None, None]


def test_one_battery_more_stops_at_what_may_lie_side_by_side() -> None:
    assert schools(made())["second_bank"].power.bank.parallel_count == 2  # type: ignore[union-attr]
    assert "second_bank" not in schools(made(bank={**BANK, "parallel_count": 4, "wiring": "busbar"}))


def test_lead_has_the_same_usable_charge_or_says_what_four_strings_hold() -> None:
    lead = schools(made())["lead"].power.bank
    assert lead is not None
    assert lead.chemistry == "agm"
    assert lead.unit_charge_ah * lead.parallel_count * 0.5 >= 200 * 0.8 - 1e-6
    large = schools(made(bank={**BANK, "parallel_count": 4}))["lead"].power.bank
    assert large is not None
    assert large.parallel_count <= 4


def test_lithium_in_the_frost_is_a_heated_one() -> None:
    cold = made(bank=AGM, vehicle={"bank_place": "underfloor"}, life={"from_month": 12, "to_month": 2, "place": "munich"})
    bank = schools(cold)["lithium"].power.bank
    assert bank is not None
    assert bank.heater_power_w > 0
    assert bank.cold_charge_cutoff


def test_pwm_takes_low_voltage_panels_all_in_parallel_and_enough_controllers() -> None:
    low = {**PANELS, "panel_power_w": 175.0, "vmp_v": 19.4, "imp_a": 9.02, "voc_v": 23.2, "isc_a": 9.6, "series_count": 2, "parallel_count": 2}
    p = schools(made(arrays=[low]))["pwm"].power
    assert (p.arrays[0].series_count, p.arrays[0].parallel_count) == (1, 4)
    assert p.controller is not None
    assert p.controller.max_charge_current_a >= 4 * 9.6 * 1.25
    assert p.controller.controller_type == "pwm"
    high = schools(made())["pwm"].power
    assert high.arrays[0].vmp_v == 33, "panels of a higher voltage stay as they are, and lose"


def test_a_station_is_the_smallest_that_does_and_carries_its_price() -> None:
    data = {"bank": {**BANK, "unit_charge_ah": 80.0}, "inverter": {**INVERTER, "rating_w": 900.0}}
    s = schools(made(**data))["station"]
    assert s.name == "A portable station: Power station 1000 Wh"
    assert s.power.bank is not None
    assert s.power.bank.unit_charge_ah * 12.8 == pytest.approx(1024, rel=1e-3)
    assert schools(made())["station"].power.bank.part == "station-3600"  # type: ignore[union-attr]


def test_prices_are_those_of_the_parts() -> None:
    p = curlew.design().power
    price, mass = price_and_mass(p, "eu")
    assert price == 3 * 590 + 4 * 118 + 235 + 480 + 470 + parts()[p.shore.part].price  # type: ignore[union-attr,index]
    assert mass == pytest.approx(3 * 21.2 + 4 * 10.2 + 1.5 + 2.6 + 8.9 + p.shore.mass_kg)  # type: ignore[union-attr,operator]
    assert price_and_mass(made().power, "eu")[0] is None, "a part of no price leaves the sum open"
    own = {s.key: s for s in schools_of(Context(curlew.design()))}
    here, there = parts("uk"), price_and_mass(p, "uk")[0]
    assert there is not None
    assert 0.8 * price < there < price, "in pounds it is less"
    assert own["pwm"].price == pytest.approx(there - here[p.controller.part].price + 3 * here["pwm-20"].price)  # type: ignore[union-attr,index]


def test_all_run_on_the_same_weathers_and_this_one_is_the_trips_run() -> None:
    design = made()
    found = side_by_side(design)
    assert [b.kind for b in found.rows] == ["this", *["school"] * 7]
    this = found.rows[0]
    run = run_trip(Context(design))
    assert this.short_days_frac == pytest.approx(run.short_days_frac)
    assert this.least_soc_p10 == pytest.approx(run.least_soc_p10)
    assert this.missing_wh_day == pytest.approx(run.missing_wh_day)
    assert this.change_frac is None
    assert (found.day_count, found.draw_count) == (9, 20)


def test_a_twin_is_told_apart_by_nothing_and_a_worse_one_by_its_days() -> None:
    design = made()
    small = made(arrays=None, controller=None, driving=None)
    found = rows(design, ("twin", "Twin", design), ("small", "Small", small))
    assert found["twin"].change_frac == 0
    assert not found["twin"].differs_known
    assert found["small"].change_frac is not None
    assert found["small"].change_frac > 0.2
    assert found["small"].differs_known
    assert found["small"].solar_frac is None or found["small"].solar_frac == 0
    assert "alternator" in side_by_side(design, [("twin", "Twin", design)]).held[-1]


def test_other_variants_are_run_on_this_itinerary_and_these_appliances() -> None:
    design = made()
    other = made(trips={"legs": [{"id": "x", "place": "tromso", "days_count": 30}]}, life={"people": 6})
    assert rows(design, ("o", "Other", other))["o"].short_days_frac == rows(design)["this"].short_days_frac


def test_a_variant_without_a_bank_says_why_it_cannot_be_run() -> None:
    bare = rows(made(), ("bare", "Bare", made(bank=None)))["bare"]
    assert bare.problem == "bank: is missing; choose a bank in Power, or take Bothy’s"
    assert bare.short_days_frac is None
    with pytest.raises(NoTrip):
        side_by_side(made(bank=None))


def test_at_most_ten_are_run() -> None:
    design = made(trips={"draw_count": 2, "legs": [{"id": "a", "place": "cardiff", "days_count": 1}]})
    assert len(side_by_side(design, [(str(i), f"V {i}", design) for i in range(20)]).rows) == MOST


def test_lead_weighs_more_cycles_differ_and_risks_are_counted() -> None:
    found = rows(curlew.design())
    this, lead, relay = found["this"], found["lead"], found["relay"]
    assert lead.mass_kg > 1.5 * this.mass_kg
    assert lead.cycles_year is not None
    assert this.cycles_year is not None
    assert relay.dangers > 0, "lithium by a relay is always a danger"
    assert this.generator_h is not None
    assert this.generator_h > 0
    assert this.first_short_d is not None
    assert {b.kind for b in found.values()} == {"this", "school"}


@pytest.mark.parametrize("demo", [curlew, saltbush])
def test_taking_a_school_over_gives_what_was_promised(demo: Any) -> None:
    design = demo.design()
    for b in side_by_side(design).rows[1:]:
        after = apply_patch(design, b.patch)
        assert run_trip(Context(after)).short_days_frac == pytest.approx(b.short_days_frac), b.name
        assert price_and_mass(after.power, "eu")[1] == pytest.approx(b.mass_kg)
