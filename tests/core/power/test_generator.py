"""Generator and second alternator: hours that a leg gives it, what height takes, what the belt carries, and the wiring that follows."""

from __future__ import annotations

import copy
from typing import Any

import pytest

from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import Design, load_design
from bothy.core.power.supply import second_alternator_a
from bothy.core.proposing import accept
from bothy.core.report import report
from bothy.core.sizing.schools import schools_of
from bothy.core.sizing.space import driving_options, parts_allowed
from bothy.core.trips.itinerary import days_of
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.plan import driving_w, plan_of_design
from tests.designs import BANK, CHARGER, DCDC, INVERTER, KETTLE, LAMP, lived

GENERATOR = {"name": "Generator", "rating_w": 1600.0}
SECOND = {"name": "Second alternator", "school": "second", "rating_a": 120.0}


def made(leg: dict[str, Any] | None = None, appliances: list[dict[str, Any]] | None = None, **power: Any) -> Design:
    supply = {"bank": BANK, "shore": CHARGER, "generator": GENERATOR, **power}
    data = lived(appliances or [{**LAMP, "power_w": 40.0, "hours_per_day": 24.0}], {k: v for k, v in supply.items() if v is not None})
    data["trips"] = {"start_date": "2026-06-01", "draw_count": 4, "legs": [{"id": "a", "place": "london", "days_count": 5, **(leg or {})}]}
    return load_design(copy.deepcopy(data))


def run(*args: Any, **power: Any) -> Any:
    return run_trip(Context(made(*args, **power)))


def test_two_hours_of_generator_fill_what_the_charger_gives() -> None:
    r = run({"generator_h": 4.0})
    assert r.generator.planned_h == r.generator.run_h == 20
    assert 0.85 * 4 * 20 * 12.8 < r.shore_wh_day <= 4 * 20 * 12.8, "20 A for four hours, less on the first day with a full bank"
    assert r.short_days_frac == 0
    assert run().short_days_frac > 0.5
    assert [f.rule for f in r.findings if "generator" in f.rule] == ["sim-generator"]


def test_it_runs_in_its_hours_only_and_not_while_hooked_up_or_driving() -> None:
    plan = plan_of_design(Context(made({"generator_h": 3.0, "generator_start_h": 18.0})))
    assert plan.days[0].mains(2300.0) == (18.0, 21.0, pytest.approx(1600 * (1 - 0.035 * 25 / 300)))
    hooked = days_of(Context(made({"generator_h": 3.0, "shore": True})))[0]
    assert hooked.mains(2300.0) == (0.0, 24.0, 2300.0)
    assert run({"generator_h": 3.0, "shore": True}).generator is None
    while_driving = run({"generator_h": 2.0, "generator_start_h": 9.0, "drive_h": 2.0, "days_count": 1})
    assert while_driving.shore_wh_day == 0


def test_height_takes_power() -> None:
    high = days_of(Context(made({"place": "denver", "generator_h": 2.0})))[0]
    assert high.mains(0)[2] == pytest.approx(1600 * (1 - 0.035 * high.place.elevation_m / 300))
    assert high.mains(0)[2] < 1400


def test_what_asks_for_more_than_it_gives_is_a_fault() -> None:
    hot = [{**KETTLE, "power_w": 3000.0, "uses_per_day": None, "minutes_per_use": None, "hours_per_day": 24.0}]
    r = run({"generator_h": 4.0}, hot, inverter=INVERTER)
    found = {f.rule: f for f in r.findings}
    assert found["sim-shore-limit"].severity == "fault"
    assert "1405 W too much" in found["sim-shore-limit"].message
    assert "sim-shore-limit" not in {f.rule for f in run({"generator_h": 4.0}).findings}


def test_hours_without_a_generator_are_a_fault_and_count_for_nothing() -> None:
    r = run({"generator_h": 4.0}, generator=None)
    assert r.generator is None
    assert r.shore_wh_day == 0
    assert "sim-generator-missing" in {f.rule for f in r.findings}


@pytest.mark.parametrize(
    ("leg", "key"), [({"generator_h": 15.0}, "generator_h"), ({"generator_h": 25.0}, "generator_h"), ({"generator_h": -1.0}, "generator_h")]
)
def test_hours_that_cannot_be_are_refused(leg: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        made(leg)
    assert e.value.key == key


def test_what_it_burns_follows_what_it_gives() -> None:
    """0.96 L/h at 1600 W and 0.288 L/h at nothing: the same again from hours and energy."""
    g = run({"generator_h": 4.0}).generator
    assert g.unit == "L"
    assert g.burnt == pytest.approx(0.3 * 0.96 * 20 + 0.7 * 0.96 / 1.6 * g.made_kwh, rel=1e-9)
    assert g.made_kwh == pytest.approx(run({"generator_h": 4.0}).shore_wh_day * 5 / 0.9 / 1000)
    assert g.store is None
    assert g.short_frac == 0
    figures = report(made({"generator_h": 4.0})).figures
    assert figures["power/generator/full_per_h"] == {"label": "Burnt an hour at its full rating", "value": 0.96, "unit": "L"}
    said = run({"generator_h": 4.0}, generator={**GENERATOR, "full_per_h": 2.0}).generator
    assert said.burnt == pytest.approx(2.0 / 0.96 * g.burnt)


@pytest.mark.parametrize(("fuel", "per_kwh", "idle", "heat_kwh"), [("petrol", 0.60, 0.30, 8.9), ("diesel", 0.38, 0.25, 9.996), ("gas", 0.42, 0.30, 12.87)])
def test_fuels_are_used_as_well_as_small_engines_use_them(fuel: str, per_kwh: float, idle: float, heat_kwh: float) -> None:
    """The same consumption as an efficiency at the full rating: small sets reach 17 to 27 %."""
    assert 0.17 < 1 / (per_kwh * heat_kwh) < 0.27
    g = run({"generator_h": 4.0}, generator={**GENERATOR, "fuel": fuel}).generator
    full = per_kwh * 1.6
    assert g.burnt == pytest.approx(idle * full * 20 + (1 - idle) * full / 1.6 * g.made_kwh)
    assert g.unit == ("kg" if fuel == "gas" else "L")


def test_an_empty_can_stops_it_until_the_next_stop_for_fuel() -> None:
    dry = run({"generator_h": 4.0}, generator={**GENERATOR, "store": 2.0})
    assert dry.generator.burnt == pytest.approx(2.0)
    assert dry.generator.run_h < 8
    assert dry.generator.first_d is not None
    assert dry.generator.level[0] == 2.0
    assert dry.generator.level[-1] == 0
    found = {f.rule: f for f in dry.findings}
    assert "The generator’s can of 2 L is empty on" in found["sim-fuel-empty"].message
    assert dry.short_days_frac > 0
    legs = [{"id": x, "place": "london", "days_count": 1, "generator_h": 4.0, "refills": ["diesel"]} for x in "abcde"]
    design = made(generator={**GENERATOR, "store": 3.0})
    filled = run_trip(Context(design.model_copy(update={"trips": design.trips.model_validate({**design.trips.model_dump(), "legs": legs})})))
    assert filled.generator is not None
    assert filled.generator.run_h == 20
    assert "sim-fuel-empty" not in {f.rule for f in filled.findings}


def test_it_may_live_on_the_heaters_tank_or_the_vessels() -> None:
    heater = {
        "id": "h",
        "name": "Heater",
        "fuel": "diesel",
        "min_w": 800.0,
        "max_w": 2000.0,
        "run_min_w": 8.0,
        "run_max_w": 30.0,
        "tank_volume_l": 4.0,
        "tank_usable_frac": 1.0,
    }
    shared = {**GENERATOR, "fuel": "diesel", "shares": True}

    def of(power: dict[str, Any], warmth: dict[str, Any] | None = None) -> Any:
        data = lived([{**LAMP, "power_w": 40.0, "hours_per_day": 24.0}], {"bank": BANK, "shore": CHARGER, "generator": power})
        data["warmth"] = warmth or {}
        data["trips"] = {"start_date": "2026-06-01", "draw_count": 4, "legs": [{"id": "a", "place": "london", "days_count": 5, "generator_h": 4.0}]}
        return run_trip(Context(load_design(data)))

    both = of(shared, {"heaters": [heater]})
    assert both.generator.burnt > 1
    assert both.warm.diesel_l == pytest.approx(4.0, abs=1e-6), "heater and generator together empty the tank"
    assert both.generator.first_d is not None
    assert "The diesel that it shares is empty" in next(f for f in both.findings if f.rule == "sim-fuel-empty" and f.subject == "generator").message
    assert of(shared).generator.short_frac == 0, "nothing to share from: not limited"


def test_a_second_alternator_gives_what_is_hot_and_what_the_bank_takes() -> None:
    ctx = Context(made(driving=SECOND))
    assert second_alternator_a(ctx).value == pytest.approx(90), "75 % of 120 A; the bank takes 100 A"
    assert driving_w(ctx) == pytest.approx(90 * 12.8)
    small = Context(made(driving=SECOND, bank={**BANK, "unit_max_charge_a": 50.0}))
    assert second_alternator_a(small).value == 50
    drive = run({"drive_h": 2.0, "days_count": 1}, driving=SECOND)
    assert 9 * 40 * 0.9 < drive.driving_wh_day <= 2 * 90 * 12.8, "what nine hours took, and the lamp meanwhile"


def test_its_belt_and_regulator_are_said_and_its_energy_stands_in_the_balance() -> None:
    r = report(made(driving=SECOND))
    found = next(f for f in r.findings if f.rule == "power-second-alternator")
    assert "The second alternator is rated 120 A and gives about 90 A hot" in found.message
    assert "3.1 kW" in found.message, "14 V × 120 A / 0.55"
    summer = next(s for s in r.power.seasons if s.season == "summer")
    assert summer.drive_wh == pytest.approx(90 * 12.8 * 1.0)
    assert not [f for f in r.findings if f.rule.startswith(("power-alternator", "power-relay", "power-lithium-direct"))]


def test_its_cable_goes_straight_to_the_busbar_through_the_engine_space() -> None:
    planned, _ = accept(made(driving=SECOND), groups=["circuits"])
    kinds = {c.kind: c for c in planned.wiring.circuits}
    assert "driving_in" not in kinds
    cable = kinds["driving"]
    assert cable.name == "From the second alternator"
    assert cable.engine_space
    assert cable.fuse_a is not None
    assert cable.fuse_a >= 120
    usual, _ = accept(made(driving=DCDC), groups=["circuits"])
    assert {"driving", "driving_in"} <= {c.kind for c in usual.wiring.circuits}
    sheet = report(planned).diagram()
    assert any("Second alternator" in t for t in str(sheet.model_dump()).split("'"))


def test_the_search_and_the_schools_know_it() -> None:
    ctx = Context(made(driving=SECOND))
    assert "second" in {o.key for o in driving_options(ctx, parts_allowed(ctx.design))}
    assert "A DC-DC charger instead of a second alternator" in {s.name for s in schools_of(ctx)}
