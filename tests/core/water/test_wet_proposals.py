"""What Bothy would fit for water and gas: enough on any vehicle anywhere, never over what was said, and nobody is talked into gas."""

from __future__ import annotations

from typing import Any

import pytest

from bothy.core.context import Context
from bothy.core.gas.pipework import REGULATORS_KG_H
from bothy.core.proposals.wet import BORES_MM
from bothy.core.proposing import accept, propose_group
from bothy.core.vehicles import PRESETS
from bothy.core.water.pressure import solve_taps
from tests.core.gas.test_gas_rules import CYLINDER, GAS, HEATER, HOB, LOCKER, WARMTH, WIDE, gassed
from tests.core.water.test_water_rules import GREY, TANK, wet
from tests.designs import found, lived, made, reported


def dry(**more: Any) -> dict[str, Any]:
    """Somebody who said what will run, and nothing of water and gas yet."""
    return lived(**{"people": 2, "nights_between_hookups": 3.0, **more})


def ids(data: dict[str, Any], group: Any) -> set[str]:
    return {p.id for p in propose_group(made(data), group)}


def fitted(data: dict[str, Any], *groups: Any) -> dict[str, Any]:
    design, _ = accept(made(data), groups=list(groups))
    return design.model_dump(mode="json")


@pytest.mark.parametrize("preset", sorted(PRESETS))
@pytest.mark.parametrize("people", [1, 4])
def test_water_that_is_fitted_lasts_the_days_and_runs_at_every_tap(preset: str, people: int) -> None:
    data = dry(people=people)
    data["vehicle"] = {"preset": preset}
    r = reported(fitted(data, "water"))
    w = r.water
    assert w.days is not None
    assert w.days >= w.target_days
    for t in w.taps.values():
        assert t.alone_l_min >= t.wanted_l_min
        assert t.shared_l_min >= 0.7 * t.wanted_l_min
    bad = {f.rule for f in r.findings if f.stage == "water" and f.severity in ("danger", "fault")}
    assert bad <= {"water-shower-unsealed"}, "the shower's list is the person's to work off"


@pytest.mark.parametrize("place", ["inverness", "tromso", "denver", "alice_springs"])
def test_tanks_that_are_fitted_stand_the_cold_of_the_place(place: str) -> None:
    r = reported(fitted(dry(place=place, from_month=12, to_month=2), "water"))
    assert "water-freeze-exposed" not in {f.rule for f in r.findings}
    assert all(f.held for f in r.water.frost)
    for t in made(fitted(dry(place=place), "water")).water.tanks:
        p = reported(fitted(dry(place=place), "water")).water.tanks[t.id]
        assert (t.restraint_x_n or 0) >= p.need_x_n


def test_tanks_are_no_larger_than_the_stay_asks_for() -> None:
    data = fitted(dry(), "water")
    w = reported(data).water
    fresh = next(s for s in w.stores if s.name == "fresh")
    assert fresh.days is not None
    assert w.target_days <= fresh.days <= w.target_days * 1.35
    longer = fitted({**dry(), "water": {"use": {"target_days": 9.0}}}, "water")
    assert reported(longer).water.capacity_l["fresh"] > 2 * w.capacity_l["fresh"]


def test_the_smallest_pump_and_pipe_do() -> None:
    data = fitted(dry(), "water")
    w = made(data).water
    assert w.pump is not None
    bores = sorted(BORES_MM)
    chosen = w.runs[0].inner_diameter_mm
    assert chosen in bores
    for bore in bores[: bores.index(chosen)]:
        narrower = w.model_copy(update={"runs": [r.model_copy(update={"inner_diameter_mm": bore}) for r in w.runs]})
        ends = [r for r in narrower.runs if r.outlet != "none"]
        sets = [solve_taps(narrower, [r.id]) for r in ends] + [solve_taps(narrower, [r.id for r in ends])]
        fast = max(v for x in sets if x is not None for v in x.velocity_m_s.values())
        starved = any(x is not None and x.flow_l_min[r.id] < r.wanted_l_min for r, x in zip(ends, sets, strict=False))
        assert fast > 2 or starved


def test_what_was_said_of_water_stays() -> None:
    assert ids(wet(tanks=[TANK, GREY]), "water") == {"water-pump"}
    assert ids({**dry(), "water": {"jug_l": 10.0, "jug_count": 3}}, "water") == {"water-pump"}
    assert ids(fitted(dry(), "water"), "water") == set()


def test_without_a_shower_there_is_no_run_to_one_and_without_a_grey_tank_none() -> None:
    data = fitted({**dry(), "water": {"use": {"shower_type": "none"}, "grey_to": "container", "container_l": 20.0}}, "water")
    assert {r["outlet"] for r in data["water"]["runs"]} == {"none", "sink"}
    assert {t["holds"] for t in data["water"]["tanks"]} == {"fresh"}


def test_nobody_is_talked_into_gas() -> None:
    assert ids(dry(), "gas") == set()
    assert ids({**dry(), "gas": {"vessels": [CYLINDER]}}, "gas") == set()


def bare(region: str = "uk", *appliances: dict[str, Any], **gas: Any) -> dict[str, Any]:
    return {
        **dry(),
        "region": region,
        "warmth": WARMTH,
        "gas": {"installer": "licensed", "appliances": list(appliances or (HOB,)), "vessels": [CYLINDER], **gas},
    }


@pytest.mark.parametrize("region", ["uk", "eu", "us", "au"])
def test_gas_that_is_fitted_is_sound_but_for_its_papers(region: str) -> None:
    hob = {**HOB, "nominal_mbar": None}
    large = [{**WIDE, "count": 3}]
    r = reported(fitted(bare(region, hob, HEATER, vessels=large, off_at_fuel=True), "gas"))
    bad = {f.rule for f in r.findings if f.stage == "gas" and f.severity in ("danger", "fault")}
    assert bad == {"gas-no-certificate", "gas-test-missing"}
    assert r.gas.pipes is not None
    assert r.gas.pipes.ok
    assert r.gas.locker is not None
    assert r.gas.locker.ok


def test_the_regulator_is_the_smallest_that_carries_everything() -> None:
    data = fitted(bare("uk", HOB, HEATER), "gas")
    need = reported(data).gas.regulator_min_kg_h
    size = data["gas"]["regulator"]["capacity_kg_h"]
    assert size >= need
    assert all(c < need for c in REGULATORS_KG_H if c < size)


def test_each_appliance_gets_its_run_from_the_main_that_stands() -> None:
    data = gassed(appliances=[HOB, {**HEATER, "id": "heater"}])
    (runs,) = [p for p in propose_group(made(data), "gas") if p.id == "gas-runs"]
    assert [(op["value"]["parent"], op["value"]["appliance"]) for op in runs.patch] == [("main", "heater")]
    after = fitted(data, "gas")
    assert "gas-appliance-unpiped" not in found(after)
    assert {p["appliance"] for p in after["gas"]["pipes"]} == {None, "hob", "heater"}


def test_a_locker_that_stands_gets_what_its_vents_lack() -> None:
    small = {**LOCKER, "vents": [{**LOCKER["vents"][0], "width_mm": 60.0}]}
    data = fitted(gassed(locker=small), "gas")
    assert [v["id"] for v in data["gas"]["locker"]["vents"]] == ["low", "vent-low"]
    assert "gas-locker-vent-small" not in found(data)
    assert (data["gas"]["locker"]["length_m"], data["gas"]["locker"]["width_m"]) == (0.6, 0.35)


def test_a_boats_drain_is_left_to_its_builder() -> None:
    data = bare()
    data["vehicle"] = {"preset": "boat"}
    assert "gas-locker" not in ids(data, "gas")


def test_what_was_said_of_gas_stays() -> None:
    assert ids(gassed(solenoid={"normally_closed": True, "hold_w": 1.0, "open_h_day": 1.0}), "gas") == set()
    assert ids(fitted(bare(), "gas"), "gas") == set()
    assert GAS["regulator"]["capacity_kg_h"] == 1.5
    assert Context(made(gassed())).design.gas.regulator is not None
