"""The search for the parts: the front equals that of trying everything; limits bind and are named; the answer removes the shortage."""

from __future__ import annotations

import copy
import random
from typing import Any

import pytest

from bothy.core.catalogue import parts as catalogue
from bothy.core.catalogue.parts import Part, parts
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.report import report
from bothy.core.sizing import search as searching
from bothy.core.sizing import space
from bothy.core.sizing.pareto import DesignPoint, front_of
from bothy.core.sizing.prices import price_and_mass
from bothy.core.sizing.search import NEAR, SHOWN, SLACK, WHOLE, Bench, SizingRun, _template, search
from bothy.core.sizing.space import space_of
from bothy.core.trips.itinerary import NoTrip
from bothy.core.trips.of_design import run_trip
from tests.designs import INVERTER, KETTLE, LAMP, lived

FEW_PARTS = (
    "lfp-100",
    "lfp-200-heated",
    "lfp-300-heated",
    "agm-100",
    "panel-100",
    "panel-175",
    "panel-flex-110",
    "mppt-100-20",
    "mppt-100-50",
    "pwm-20",
    "dcdc-18",
    "dcdc-30",
)


def hungry(*, sizing: dict[str, Any] | None = None, trips: dict[str, Any] | None = None, vehicle: dict[str, Any] | None = None, **power: Any) -> Design:
    """Ten days in March with a drive, a lamp of 35 W all day and night."""
    data = lived([{**LAMP, "power_w": 35.0, "hours_per_day": 24.0}], power, place="cardiff", from_month=3, to_month=4)
    data["vehicle"] |= vehicle or {}
    legs = [{"id": "a", "place": "cardiff", "days_count": 6}, {"id": "b", "place": "manchester", "days_count": 4, "drive_h": 3.0}]
    data["trips"] = {"start_date": "2026-03-10", "legs": legs, "draw_count": 8, **(trips or {})}
    data["sizing"] = {"panels_most": 4, **(sizing or {})}
    return load_design(copy.deepcopy(data))


@pytest.fixture
def few(monkeypatch: pytest.MonkeyPatch) -> dict[str, Part]:
    """A catalogue of a dozen parts."""
    small = {k: parts()[k] for k in FEW_PARTS}
    monkeypatch.setattr(space, "parts", lambda *_: small)
    return small


def front_keys(r: SizingRun) -> list[tuple[float | None, float, float]]:
    return sorted((s.price, s.mass_kg, round(s.short_days_frac, 9)) for s in r.front)  # type: ignore[type-var]


def everything(design: Design) -> list[tuple[float, float, float]]:
    """The front of every set run through all weathers."""
    candidates = [c for c in space_of(design).candidates if c.barred is None]
    bench = Bench(design, _template(candidates, design.power), design.trips.draw_count)
    points = [
        DesignPoint(id=c.key, cost=c.price, mass_kg=c.mass_kg, lolp_frac=bench.of(c.power(design.power), 0, design.trips.draw_count).share) for c in candidates
    ]
    return sorted((p.cost, p.mass_kg, round(p.lolp_frac, 9)) for p in front_of(points)[0])


@pytest.mark.parametrize("draws", [8, 24])
def test_the_front_is_that_of_trying_everything(few: dict[str, Part], draws: int) -> None:
    design = hungry(trips={"draw_count": draws})
    r = search(design)
    assert 100 < r.set_count < 700
    assert len(r.front) > 5
    assert front_keys(r) == everything(design)
    assert r.simulated_count < r.set_count * 2


def test_among_many_sets_none_is_lost_that_wins_more_than_the_slack(few: dict[str, Part], monkeypatch: pytest.MonkeyPatch) -> None:
    design = hungry(trips={"draw_count": 24})
    whole = search(design)
    monkeypatch.setattr(searching, "MANY", 0)
    r = search(design)
    found = front_keys(r)
    assert r.simulated_count < whole.simulated_count
    assert r.best == whole.best
    for price, mass, share in everything(design):
        near = min(s for p, m, s in found if p is not None and p <= price and m <= mass)
        assert near <= share + SLACK
        assert near <= share or share > design.trips.short_days_frac + NEAR, "near the target nothing is lost"


def test_the_front_does_not_depend_on_the_order_of_the_catalogue_nor_on_a_worse_part(few: dict[str, Part], monkeypatch: pytest.MonkeyPatch) -> None:
    first = search(hungry())
    names = list(few)
    random.Random(3).shuffle(names)
    worse = few["lfp-100"].model_copy(update={"key": "lfp-100-dear", "price": 900.0, "mass_kg": 30.0})
    monkeypatch.setattr(space, "parts", lambda *_: {**{k: few[k] for k in names}, worse.key: worse})
    again = search(hungry())
    assert front_keys(again) == front_keys(first)
    assert again.best == first.best


def test_the_same_seed_gives_the_same_front_on_one_thread_and_on_two(few: dict[str, Part]) -> None:
    one, two = search(hungry(), workers=1), search(hungry(), workers=2)
    assert one.model_dump() == two.model_dump()
    other = search(hungry(trips={"seed": 7}))
    assert front_keys(other) != front_keys(one)


def test_the_answer_removes_the_shortage_and_is_what_it_says() -> None:
    design = hungry()
    r = search(design)
    best = next(s for s in r.front if s.key == r.best)
    assert best.meets
    after = apply_patch(design, best.patch)
    run = run_trip(Context(after))
    assert run.short_days_frac == pytest.approx(best.short_days_frac)
    assert run.short_days_frac <= design.trips.short_days_frac
    assert run.least_soc_p10 == pytest.approx(best.least_soc_p10)
    price, mass = price_and_mass(after.power, after.region)
    assert (price, mass) == (pytest.approx(best.price), pytest.approx(best.mass_kg))
    assert not [f for f in report(after).findings if f.rule.startswith("power-solar") and f.severity in ("danger", "fault")]


@pytest.mark.parametrize("goal", ["cost", "mass", "reliability"])
def test_the_best_is_best_by_the_goal(few: dict[str, Part], goal: str) -> None:
    r = search(hungry(sizing={"goal": goal}))
    good = [s for s in r.front if s.meets]
    best = next(s for s in r.front if s.key == r.best)
    key = {"cost": lambda s: s.price, "mass": lambda s: s.mass_kg, "reliability": lambda s: s.short_days_frac}[goal]
    assert key(best) == min(key(s) for s in good)
    assert best.shown
    assert sum(s.shown for s in r.front) <= SHOWN


def test_a_budget_binds_and_lifting_it_is_named(few: dict[str, Part]) -> None:
    free = search(hungry())
    price = next(s.price for s in free.front if s.key == free.best)
    assert price is not None
    r = search(hungry(sizing={"budget": price - 1}))
    assert all((s.price or 0) < price for s in r.front)
    assert r.dropped["budget"] > 0
    assert r.best is None
    assert [f.rule for f in r.findings] == ["sim-no-feasible"]
    assert [x.reason for x in r.lifted] == ["roof", "budget"]
    assert r.lifted[1].set.price == price
    assert "costs more than the budget" in r.binding


def test_the_roof_and_the_load_bind(few: dict[str, Part]) -> None:
    small = search(hungry(sizing={"roof_m2": 0.6}))
    assert small.dropped["roof"] > 0
    assert max(s.array_w for s in small.front) <= 110
    light = search(hungry(sizing={"mass_most_kg": 30.0}))
    assert max(s.mass_kg for s in light.front) <= 30
    assert light.dropped["payload"] > 0
    narrow = search(hungry(vehicle={"inside_length_m": 1.2, "inside_width_m": 1.1}, sizing={"roof_m2": 5.0}))
    assert not [s for s in narrow.front if "175 W" in s.words[0]], "a panel longer than the roof does not fit, whatever its area"


def test_wishes_are_kept(few: dict[str, Part]) -> None:
    lead = search(hungry(sizing={"chemistries": ["agm"]}))
    assert all("AGM" in " ".join(s.words) for s in lead.front)
    makers = {p.maker for p in few.values() if p.kind == "battery"}
    assert len(makers) == 2
    one = search(hungry(sizing={"makers": ["Brackwell", "Corrie Glass"]}))
    assert all("AGM" in " ".join(s.words) for s in one.front)
    assert not [s for s in one.front if any("DC-DC" in w for w in s.words)]


OWN: dict[str, dict[str, Any]] = {
    "battery": {
        "id": "mine",
        "kind": "battery",
        "name": "My battery",
        "price": 20.0,
        "mass_kg": 9.0,
        "chemistry": "lifepo4",
        "unit_voltage_v": 12.8,
        "unit_charge_ah": 120.0,
        "unit_max_discharge_a": 120.0,
        "unit_max_charge_a": 60.0,
        "cold_charge_cutoff": True,
        "heater_power_w": 40.0,
    },
    "panel": {
        "id": "glass",
        "kind": "panel",
        "name": "My panel",
        "price": 5.0,
        "mass_kg": 9.0,
        "panel_power_w": 160.0,
        "vmp_v": 18.0,
        "imp_a": 8.9,
        "voc_v": 22.0,
        "isc_a": 9.4,
        "length_mm": 1400.0,
        "width_mm": 660.0,
    },
    "controller": {
        "id": "box",
        "kind": "controller",
        "name": "My controller",
        "price": 9.0,
        "mass_kg": 1.0,
        "controller_type": "mppt",
        "max_voltage_v": 100.0,
        "max_charge_current_a": 40.0,
    },
    "dcdc": {"id": "dc", "kind": "dcdc", "name": "My charger", "price": 8.0, "mass_kg": 1.0, "rating_a": 20.0},
}


def test_own_parts_are_searched_too_and_can_be_all_there_is(few: dict[str, Part]) -> None:
    r = search(hungry(sizing={"own": list(OWN.values())}))
    best = next(s for s in r.front if s.key == r.best)
    assert any("My battery" in w for w in best.words)
    after = apply_patch(hungry(), best.patch)
    assert after.power.bank is not None
    assert after.power.bank.part is None, "the catalogue does not know it"
    only = search(hungry(sizing={"own": list(OWN.values()), "own_only": True}))
    assert all("My battery" in s.words[-1] or "My battery" in s.words[0] or "My battery" in s.words[1] for s in only.front)


@pytest.mark.parametrize(
    ("kind", "key"), [("battery", "unit_charge_ah"), ("panel", "voc_v"), ("panel", "length_mm"), ("controller", "max_voltage_v"), ("dcdc", "rating_a")]
)
def test_an_own_part_must_be_whole(kind: str, key: str) -> None:
    with pytest.raises(BadInput) as e:
        hungry(sizing={"own": [{**OWN[kind], key: None}]})
    assert e.value.key == key
    assert "data sheet" in e.value.message


@pytest.mark.parametrize(("change", "key"), [({"vmp_v": 25.0}, "vmp_v"), ({"imp_a": 10.0}, "imp_a"), ({"price": -1.0}, "price")])
def test_an_own_panel_must_agree_with_itself(change: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        hungry(sizing={"own": [{**OWN["panel"], **change}]})
    assert e.value.key == key


def test_another_voltage_changes_the_units_in_series_and_says_so_in_the_patch(few: dict[str, Part]) -> None:
    r = search(hungry(sizing={"voltages": [24]}))
    some = r.front[0]
    assert any("2 ×" in w or "4 ×" in w for w in some.words)
    assert some.patch[0] == {"op": "replace", "path": "/power/system_voltage_v", "value": 24}
    both = search(hungry(sizing={"voltages": [12, 24]}))
    assert both.set_count > r.set_count


def test_frost_leaves_only_batteries_that_stand_it(few: dict[str, Part]) -> None:
    design = hungry(vehicle={"bank_place": "underfloor"})
    r = search(design)
    assert r.dropped["cold"] > 0
    for s in r.front:
        bank = next(op["value"] for op in s.patch if op["path"] == "/power/bank")
        assert bank["chemistry"] == "agm" or bank["heater_power_w"] > 0


def test_mains_appliances_get_an_inverter_in_every_set_and_the_design_keeps_its_own(few: dict[str, Part]) -> None:
    data = hungry().model_dump(mode="json")
    data["life"]["appliances"].append(KETTLE)
    r = search(load_design(data))
    assert r.best is not None
    data["power"]["inverter"] = INVERTER
    with_own = search(load_design(data))
    assert all(op["path"] != "/power/inverter" for s in with_own.front for op in s.patch)


def test_what_is_there_now_is_run_on_the_same_weathers(few: dict[str, Part]) -> None:
    now = {
        "bank": {**parts()["lfp-100"].data, "part": "lfp-100", "unit_mass_kg": 11.2},
        "arrays": [{**parts()["panel-100"].data, "id": "roof", "part": "panel-100", "unit_mass_kg": 6.4}],
        "controller": {**parts()["mppt-100-50"].data, "part": "mppt-100-50", "mass_kg": 1.5},
    }
    design = hungry(**now)
    r = search(design)
    assert r.now is not None
    assert r.now.price == 350 + 65 + 210, "350 of 390 € and so on: in pounds"
    assert r.now.short_days_frac == pytest.approx(run_trip(Context(design)).short_days_frac)
    assert [f.rule for f in r.findings] == ["sim-dominated"], "a smaller controller does the same"
    bare = search(hungry())
    assert bare.now is None


def test_a_design_with_a_part_of_no_price_is_shown_without_one(few: dict[str, Part]) -> None:
    r = search(hungry(bank={"chemistry": "lifepo4", "unit_voltage_v": 12.8, "unit_charge_ah": 100.0}))
    assert r.now is not None
    assert r.now.price is None
    assert not [f for f in r.findings if f.rule == "sim-dominated"]


def test_a_search_can_be_stopped_and_says_how_far_it_is(few: dict[str, Part]) -> None:
    said: list[tuple[int, int]] = []
    search(hungry(), lambda done, whole: said.append((done, whole)))
    assert {w for _, w in said} == {WHOLE}
    assert [d for d, _ in said] == sorted(d for d, _ in said)
    assert said[-1][0] > 900

    class Enough(Exception):
        pass

    def stop(done: int, whole: int) -> None:
        raise Enough

    with pytest.raises(Enough):
        search(hungry(), stop)


def test_without_a_trip_or_without_any_battery_there_is_nothing_to_search(few: dict[str, Part]) -> None:
    with pytest.raises(NoTrip, match="has no leg"):
        search(hungry(trips={"legs": []}))
    with pytest.raises(NoTrip, match="leaves no set at all"):
        search(hungry(sizing={"makers": ["Nobody"]}))


def test_a_trip_without_a_drive_offers_no_driving_charge(few: dict[str, Part]) -> None:
    r = space_of(hungry(trips={"legs": [{"id": "a", "place": "cardiff", "days_count": 3}]}))
    assert {c.driving.key for c in r.candidates} == {"no-driving"}
    live = space_of(hungry(trips={"live": {"place": "cardiff", "days_count": 20, "drive_every_d": 4}}))
    assert "dcdc-18" in {c.driving.key for c in live.candidates}


def test_a_relay_that_is_there_stays_a_choice(few: dict[str, Part]) -> None:
    r = space_of(hungry(driving={"name": "Relay", "school": "relay", "rating_a": 100.0, "mass_kg": 0.4}))
    relay = [c for c in r.candidates if c.driving.key == "relay"]
    assert relay
    assert relay[0].driving.mass_kg == 0.4


def test_no_set_breaks_the_rules_of_its_string_or_its_bank(few: dict[str, Part]) -> None:
    design = hungry()
    for c in space_of(design).candidates[::37]:
        after = design.model_copy(update={"power": c.power(design.power)})
        bad = [
            f.rule
            for f in report(after).findings
            if f.severity in ("danger", "fault") and f.rule.startswith(("power-solar", "power-bank-dis", "power-charge-below"))
        ]
        assert bad == [], c.key


def test_the_catalogue_holds_enough_for_a_search() -> None:
    kinds = {k: sum(p.kind == k for p in catalogue.parts().values()) for k in ("battery", "panel", "controller", "dcdc", "station")}
    assert all(n >= 3 for n in kinds.values()), kinds
