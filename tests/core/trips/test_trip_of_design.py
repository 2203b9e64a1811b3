"""The trip of a design: what is missing is said, loads and sources arrive in the engine, and the run tells what runs short."""

from __future__ import annotations

import copy
import itertools
from typing import Any

import pytest

from bothy.core.catalogue.parts import parts
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import load_design
from bothy.core.finding import RULES
from bothy.core.power.panels import ACROSS_M
from bothy.core.sun.curved import CurvedPanelFactorIn, curved_panel_factor
from bothy.core.trips import places
from bothy.core.trips.figures import BY_RULE, COUNTED, PER_DAY
from bothy.core.trips.itinerary import NoTrip
from bothy.core.trips.of_design import points_a_day, run_trip
from bothy.core.trips.plan import plan_of_design
from bothy.core.trips.rules import _bent, _standing, assumed_part, in_words
from bothy.demo import curlew, fiddlehead, saltbush
from tests.designs import AGM, BANK, CHARGER, DCDC, FRIDGE, INVERTER, KETTLE, LAMP, MPPT, PANELS, lived

WEEK = {"id": "a", "place": "london", "days_count": 7}
DRIVEN = {**WEEK, "drive_h": 2.0}
HUNGRY = {**LAMP, "power_w": 60.0, "hours_per_day": 24.0, "tier": 1}
HEATER = {"id": "heater", "name": "Air heater", "kind": "heating", "power_w": 20.0, "hours_per_day": 10.0, "tier": 2}


def away(*legs: dict[str, Any], appliances: list[dict[str, Any]] | None = None, trips: dict[str, Any] | None = None, **power: Any) -> Any:
    """A design with a lamp and a fridge on a trip in June."""
    data = lived(appliances, {"bank": BANK, "arrays": [PANELS], "controller": MPPT, **power})
    data["trips"] = {"start_date": "2026-06-01", "legs": list(legs or (WEEK,)), "draw_count": 20, **(trips or {})}
    return Context(load_design(copy.deepcopy(data)))


def found(ctx: Any) -> dict[str, Any]:
    return {f.rule: f for f in run_trip(ctx).findings}


@pytest.mark.parametrize(("change", "key"), [({"legs": []}, "legs"), ({"start_date": None}, "start_date")])
def test_what_is_missing_for_a_trip_is_said(change: dict[str, Any], key: str) -> None:
    with pytest.raises(NoTrip) as e:
        plan_of_design(away(trips=change))
    assert e.value.key == key


def test_a_place_that_is_nowhere_is_refused_with_the_leg() -> None:
    with pytest.raises(BadInput, match="leg “a” is “atlantis”") as e:
        away({**WEEK, "place": "atlantis"})
    assert e.value.key == "place"


@pytest.mark.parametrize("place", ["london", "inverness", "denver"])
@pytest.mark.parametrize("unit", [50.0, 100.0])
def test_a_larger_bank_that_starts_full_never_misses_more(place: str, unit: float) -> None:
    """What it holds back for the loads that must stay is a day of them at most, however large it is."""
    loads = [HUNGRY, FRIDGE, {**LAMP, "id": "tv", "kind": "other", "tier": 3, "power_w": 60.0}]
    missing = [
        run_trip(
            away(
                {**WEEK, "place": place, "days_count": 10},
                appliances=loads,
                trips={"draw_count": 8},
                bank={**BANK, "unit_charge_ah": unit, "parallel_count": n},
            )
        ).missing_wh_day
        for n in (1, 2, 4, 8)
    ]
    assert all(b <= a + 1 for a, b in itertools.pairwise(missing)), missing


def test_what_is_switched_off_first_is_named() -> None:
    loads = [FRIDGE, {**LAMP, "id": "tv", "name": "Big screen", "kind": "other", "tier": 3, "power_w": 90.0, "hours_per_day": 12.0}]
    r = run_trip(away({**WEEK, "place": "inverness"}, appliances=loads, trips={"start_date": "2026-12-01"}, bank={**BANK, "unit_charge_ah": 100.0}))
    assert r.missing_wh_day > 0
    assert r.shed == ["Big screen"]
    assert r.shed_first_d is not None


def test_a_trip_without_a_bank_says_where_to_get_one() -> None:
    with pytest.raises(NoTrip, match="choose a bank in Power"):
        plan_of_design(away(bank=None))


@pytest.mark.parametrize(
    ("trips", "key"),
    [
        ({"start_date": "soon"}, "start_date"),
        ({"start_date": "1066-10-14"}, "start_date"),
        ({"legs": [{**WEEK, "days_count": 300}, {**WEEK, "id": "b", "days_count": 67}]}, "legs"),
        ({"legs": [WEEK, WEEK]}, "id"),
        ({"legs": [{**WEEK, "drive_start_h": 22.0, "drive_h": 4.0}]}, "drive_h"),
        ({"legs": [{**WEEK, "again_start_h": 22.0, "again_h": 4.0}]}, "again_h"),
        ({"legs": [{**WEEK, "drive_h": 8.0, "again_start_h": 15.0, "again_h": 1.0}]}, "again_start_h"),
        ({"legs": [{**WEEK, "days_count": 0}]}, "days_count"),
        ({"draw_count": 5000}, "draw_count"),
        ({"legs": [{**WEEK, "clearness": 0.9}]}, "clearness"),
    ],
)
def test_an_itinerary_that_cannot_be_is_refused_by_name(trips: dict[str, Any], key: str) -> None:
    with pytest.raises(BadInput) as e:
        away(trips=trips)
    assert e.value.key == key


def test_the_days_loads_are_those_of_the_load_budget() -> None:
    plan = plan_of_design(away(appliances=[LAMP, FRIDGE, KETTLE], inverter=INVERTER))
    hours = plan.step_min / 60
    day = plan.dc[0].sum(axis=0) * hours
    assert day[1] == pytest.approx(12 * 4 * 1.02, rel=0.01), "the lamp, in the second tier, with 2 % in the cables"
    assert day[0] > 0, "the fridge never goes by choice"
    assert plan.ac[0].sum(axis=0)[2] * hours == pytest.approx(1000 * 15 / 60), "the kettle, at the socket"
    assert plan_of_design(away(appliances=[KETTLE])).ac.sum() == 0, "no inverter, no mains"


def test_a_typed_tier_is_taken() -> None:
    plan = plan_of_design(away(appliances=[{**LAMP, "tier": 1}]))
    assert plan.dc[0, :, 0].sum() > 0
    assert plan.dc[0, :, 1].sum() == 0


def test_driving_and_hook_up_reach_the_engine() -> None:
    ctx = away(
        {**WEEK, "days_count": 2, "drive_h": 3.0},
        {**WEEK, "id": "b", "days_count": 1, "shore": True},
        driving=DCDC,
        shore=CHARGER,
        trips={"soc_start_frac": 0.4},
    )
    plan = plan_of_design(ctx)
    assert [d.drive_h for d in plan.days] == [3.0, 0.0, 0.0], "on the first day of a leg"
    assert [d.shore for d in plan.days] == [False, False, True]
    assert plan.numbers[places.DCDC] == pytest.approx(30 * 12.8)
    run = run_trip(ctx)
    assert run.driving_wh_day > 100
    assert run.shore_wh_day > 0


def test_a_second_drive_and_a_drive_a_day_reach_the_engine() -> None:
    twice = {**WEEK, "days_count": 3, "drive_h": 2.0, "again_start_h": 15.0, "again_h": 1.0}
    base = {"driving": DCDC, "arrays": [], "trips": {"soc_start_frac": 0.3}, "appliances": [{**LAMP, "power_w": 2.0}]}
    once = run_trip(away({**twice, "again_h": 0.0}, **base)).driving_wh_day
    both = run_trip(away(twice, **base)).driving_wh_day
    daily = run_trip(away({**twice, "drive_daily": True}, **base)).driving_wh_day
    assert both == pytest.approx(1.5 * once, rel=0.02)
    assert 1.5 * both < daily < 3 * both, "until the bank is nearly full"
    plan = plan_of_design(away({**twice, "drive_daily": True}, driving=DCDC))
    assert [d.driving(plan.hours).sum() / 4 for d in plan.days] == [3, 3, 3]
    assert [d.driving(plan.hours).sum() / 4 for d in plan_of_design(away(twice, driving=DCDC)).days] == [3, 0, 0]


def test_a_pwm_controller_holds_the_panel_at_the_banks_voltage() -> None:
    mppt = run_trip(away(trips={"soc_start_frac": 0.3}, appliances=[{**LAMP, "power_w": 40.0, "hours_per_day": 24.0}]))
    pwm = run_trip(
        away(trips={"soc_start_frac": 0.3}, appliances=[{**LAMP, "power_w": 40.0, "hours_per_day": 24.0}], controller={**MPPT, "controller_type": "pwm"})
    )
    assert pwm.sun_wh_day < 0.6 * mppt.sun_wh_day


def test_an_easy_trip_never_runs_short_and_a_hard_one_says_when() -> None:
    easy = run_trip(away())
    assert easy.short_days_frac == 0
    assert easy.first_short_d is None
    hard = run_trip(
        away({**WEEK, "place": "inverness"}, trips={"start_date": "2026-12-01"}, appliances=[{**LAMP, "power_w": 60.0, "hours_per_day": 24.0, "tier": 1}])
    )
    assert hard.short_days_frac > 0.3
    assert hard.first_short_p50_d is not None
    assert 0.9 < hard.first_short_p50_d < 3, "2 kWh usable against 1.4 kWh a day"
    rules = {f.rule: f for f in hard.findings}
    assert rules["sim-first-shortage"].severity == "fault"
    assert "in the worst on" in rules["sim-first-shortage"].message
    assert "one more battery" in rules["sim-lolp-high"].message
    assert [b.change_frac <= 0 for b in hard.buys] == [True, True, True]
    assert "in 9 of 10 by" in rules["sim-first-shortage"].message
    assert "Nothing else runs out" in rules["sim-first-shortage"].message
    bad = hard.missing_wh_day / hard.short_days_frac
    assert f"on a bad day {bad:.0f} Wh" in rules["sim-lolp-high"].message
    assert "on the ground at 60°" in hard.buys[2].what
    assert hard.buys[1].missing_wh_day < hard.missing_wh_day
    assert sum(d.short_frac for d in hard.days) == pytest.approx(hard.short_days_frac * 7)


def test_what_one_more_would_buy_says_what_it_costs_and_weighs() -> None:
    known = away(
        DRIVEN,
        trips={"soc_start_frac": 0.5},
        arrays=[{**PANELS, "part": "panel-200"}],
        bank={**BANK, "part": "lfp-200-heated"},
        driving=DCDC,
        appliances=[HUNGRY],
    )
    run = run_trip(known)
    assert [b.what.split(",")[0] for b in run.buys] == ["one more panel of 200 W", "one more battery of 200 Ah", "100 W more while driving"]
    panel, battery, driving = run.buys
    assert battery.price == parts("uk")["lfp-200-heated"].price
    assert battery.mass_kg == parts()["lfp-200-heated"].mass_kg
    assert (panel.price is None) == ("panel-200" not in parts())
    assert driving.price is None
    assert driving.missing_wh_day <= run.missing_wh_day
    pair = {**BANK, "unit_voltage_v": 12.8, "series_count": 2, "part": "lfp-200-heated"}
    two = next(b for b in run_trip(away(bank=pair, system_voltage_v=24, appliances=[HUNGRY])).buys if "battery" in b.what)
    assert "2 units in series" in two.what
    assert two.price == 2 * parts("uk")["lfp-200-heated"].price
    still = run_trip(away(driving=DCDC, appliances=[HUNGRY]))
    assert not [b for b in still.buys if "driving" in b.what], "nobody drives"


def test_lanes_are_in_order_and_days_add_up() -> None:
    run = run_trip(away({**WEEK, "place": "inverness"}, trips={"start_date": "2026-03-01"}))
    for lane in (run.soc, run.sun_w, run.load_w, run.cabin_c):
        assert len(lane.p50) == 7 * run.per_day
        assert all(a <= b <= c for a, b, c in zip(lane.p10, lane.p50, lane.p90, strict=True))
    assert run.least_soc_p10 <= run.least_soc_p50 <= run.least_soc_p90
    assert min(run.histories["p10"]) <= min(run.histories["p90"])
    assert [d.date for d in run.days] == [f"2026-03-0{i}" for i in range(1, 8)]


@pytest.mark.parametrize(("days", "points"), [(1, 96), (21, 96), (22, 24), (60, 24), (61, 4), (120, 4), (366, 1)])
def test_long_trips_are_drawn_in_fewer_points(days: int, points: int) -> None:
    assert points_a_day(days) == points


def test_a_year_fits_and_repeats() -> None:
    ctx = away({**WEEK, "days_count": 366}, trips={"draw_count": 10})
    one, two = run_trip(ctx), run_trip(ctx, workers=2)
    assert one == two
    assert len(one.soc.p50) == 366


def test_frost_finds_a_bank_outside_without_a_cut_off() -> None:
    def frozen(**bank: Any) -> Any:
        data = lived(None, {"bank": {**BANK, "heater_power_w": 0.0, "cold_charge_cutoff": False, **bank}, "arrays": [PANELS], "controller": MPPT})
        data["vehicle"]["bank_place"] = "underfloor"
        data["trips"] = {"start_date": "2026-01-05", "legs": [{**WEEK, "place": "rovaniemi", "clearness": 0.6}], "draw_count": 10, "soc_start_frac": 0.5}
        return Context(load_design(data))

    assert found(frozen())["sim-charge-refused-cold"].severity == "danger"
    assert found(frozen(cold_charge_cutoff=True))["sim-charge-refused-cold"].severity == "advice"
    assert "sim-charge-refused-cold" not in found(frozen(heater_power_w=60.0)), "a heated bank is kept warm"


def test_other_findings_have_their_trips() -> None:
    assert "sim-curtailed" in found(away(trips={"draw_count": 40}, arrays=[{**PANELS, "parallel_count": 3}], controller={**MPPT, "max_charge_current_a": 60.0}))
    driven = away({**WEEK, "drive_h": 6.0}, arrays=[], driving=DCDC, trips={"soc_start_frac": 0.3})
    assert "sim-alternator-only" in found(driven)
    assert "sim-inverter-overload" in found(
        away(appliances=[{**KETTLE, "uses_per_day": None, "minutes_per_use": None, "hours_per_day": 24.0}], inverter={**INVERTER, "rating_w": 600.0})
    )
    low = away({**WEEK, "days_count": 3}, appliances=[{**LAMP, "power_w": 27.0, "hours_per_day": 24.0, "tier": 1}], arrays=[])
    assert "sim-low-reserve" in found(low)
    few = away(
        {**WEEK, "place": "inverness"}, trips={"start_date": "2026-10-05", "draw_count": 6}, appliances=[{**LAMP, "power_w": 20.0, "hours_per_day": 24.0}]
    )
    assert "sim-draws-few" in found(few)
    assert "sim-weather-approx" in found(away())
    assert {r for r in RULES if r.startswith("sim-")} >= {"sim-balance"}


def test_a_finding_of_the_trip_can_be_answered() -> None:
    ctx = away({**WEEK, "place": "inverness"}, trips={"start_date": "2026-12-01"}, appliances=[{**LAMP, "power_w": 60.0, "hours_per_day": 24.0}])
    f = found(ctx)["sim-lolp-high"]
    data = ctx.design.model_dump(mode="json") | {"accepted": [{"finding": f.id, "reason": "we carry a generator"}]}
    assert found(Context(load_design(data)))["sim-lolp-high"].accepted == "we carry a generator"


@pytest.mark.parametrize(("part", "words"), [(0.0, "below 3.0%"), (0.004, "a day or two"), (0.01, "handful"), (0.05, "plan B"), (0.4, "undersized")])
def test_a_share_of_short_days_in_plain_words(part: float, words: str) -> None:
    assert words in in_words(part, 100, 30)


@pytest.mark.parametrize("demo", [curlew, fiddlehead])
def test_the_demos_trips_run_and_their_energy_adds_up(demo: Any) -> None:
    run = run_trip(Context(demo.design()))
    assert run.balance_error_wh < 1e-5
    assert "sim-balance" not in {f.rule for f in run.findings}
    assert len(run.days) == sum(leg.days_count for leg in demo.design().trips.legs)


def test_a_medical_device_that_may_go_dark_is_a_danger() -> None:
    device = {"id": "air", "name": "Breathing machine", "kind": "medical", "power_w": 40.0, "hours_per_day": 24.0}
    dark = found(away({**WEEK, "place": "inverness"}, trips={"start_date": "2026-12-01"}, appliances=[device]))
    assert dark["sim-medical-load"].severity == "danger"
    assert "In 100% of the simulated trips power fails for Breathing machine, first on" in dark["sim-medical-load"].message
    both = found(
        away(
            {**WEEK, "place": "inverness"},
            trips={"start_date": "2026-12-01"},
            appliances=[LAMP, device, {**device, "id": "spare", "name": "Spare machine", "count": 0}],
        )
    )
    assert "power fails for Breathing machine, first" in both["sim-medical-load"].message, "the one that goes dark, not the lamp, nor one that is not aboard"
    assert "sim-medical-load" not in found(away(appliances=[{**device, "power_w": 5.0}]))
    late = found(away({**WEEK, "place": "inverness"}, trips={"start_date": "2026-12-01"}, appliances=[{**device, "tier": 3}]))
    assert "sim-medical-load" in late, "what is shed first is dark too"
    assert "sim-medical-load" not in found(
        away({**WEEK, "place": "inverness"}, trips={"start_date": "2026-12-01"}, appliances=[{**LAMP, "power_w": 60.0, "hours_per_day": 24.0}])
    )


DECEMBER = {"start_date": "2026-12-01"}


@pytest.mark.parametrize(
    ("rule", "ctx", "other"),
    [
        ("sim-empty-normals", away({**WEEK, "place": "inverness"}, trips=DECEMBER, appliances=[HUNGRY]), away()),
        ("sim-autonomy-short", away(appliances=[{**HUNGRY, "power_w": 45.0}]), away(appliances=[{**HUNGRY, "power_w": 30.0}])),
        (
            "sim-autonomy-short",
            away(appliances=[{**HUNGRY, "power_w": 45.0}]),
            away({**WEEK, "shore": True}, shore=CHARGER, appliances=[{**HUNGRY, "power_w": 45.0}]),
        ),
        (
            "sim-solar-small",
            away(DRIVEN, arrays=[{**PANELS, "panel_power_w": 5.0, "imp_a": 0.15, "isc_a": 0.17}], driving=DCDC, appliances=[HUNGRY]),
            away(DRIVEN, driving=DCDC),
        ),
        (
            "sim-tilt-winter",
            away({**WEEK, "place": "manchester"}, trips=DECEMBER, appliances=[{**HUNGRY, "power_w": 25.0}]),
            away(
                {**WEEK, "place": "manchester"},
                trips=DECEMBER,
                appliances=[{**HUNGRY, "power_w": 25.0}],
                arrays=[{**PANELS, "tilt_deg": 60.0, "azimuth_deg": 180.0, "deploy": "ground"}],
            ),
        ),
        ("sim-shade-string", away(arrays=[{**PANELS, "series_count": 2, "shade_frac": [0.5] * 24}]), away(arrays=[{**PANELS, "shade_frac": [0.5] * 24}])),
        (
            "sim-lead-partial",
            away({**WEEK, "days_count": 9}, trips=DECEMBER, bank=AGM, appliances=[{**HUNGRY, "power_w": 6.0}]),
            away({**WEEK, "days_count": 9, "shore": True}, trips=DECEMBER, bank=AGM, shore=CHARGER, appliances=[{**HUNGRY, "power_w": 6.0}]),
        ),
        (
            "sim-heater-short",
            away({**WEEK, "place": "tromso"}, trips={"start_date": "2026-01-01"}, appliances=[HUNGRY, HEATER]),
            away({**WEEK, "place": "tromso", "shore": True}, trips={"start_date": "2026-01-01"}, shore=CHARGER, appliances=[HUNGRY, HEATER]),
        ),
        (
            "sim-discharge-limit",
            away(bank={**BANK, "unit_max_discharge_a": 5.0}, appliances=[{**HUNGRY, "power_w": 90.0}]),
            away(appliances=[{**HUNGRY, "power_w": 90.0}]),
        ),
        ("sim-bank-cycles", away(bank={**AGM, "unit_charge_ah": 60.0}, shore=CHARGER, appliances=[{**HUNGRY, "power_w": 30.0}]), away()),
        ("sim-inverter-idle", away(inverter={**INVERTER, "mode": "always"}), away(inverter=INVERTER)),
        ("sim-controller-clip", away(arrays=[{**PANELS, "parallel_count": 4}], controller={**MPPT, "max_charge_current_a": 15.0}), away(arrays=[PANELS])),
        ("sim-load-assumed", away(appliances=[{**HUNGRY, "trust": "catalogue"}]), away(appliances=[{**HUNGRY, "trust": "measured"}])),
    ],
)
def test_a_rule_of_the_run_is_raised_where_it_holds_and_not_beside_it(rule: str, ctx: Any, other: Any) -> None:
    raised = found(ctx)
    assert rule in raised
    assert raised[rule].severity in (RULES[rule].severity, "advice")
    assert any(c.isdigit() for c in raised[rule].message)
    assert rule not in found(other)


@pytest.mark.parametrize("demo", [curlew, fiddlehead, saltbush])
def test_each_figure_that_a_finding_of_the_trip_names_opens(demo: Any) -> None:
    design = demo.design()
    run = run_trip(Context(design.model_copy(update={"trips": design.trips.model_copy(update={"draw_count": 6})})))
    keys = [k for f in run.findings for k in f.figures]
    assert len(keys) >= 3
    for key in keys:
        w = run.figures[key]
        assert w["expression"] and w["source"], key
        assert {"days", "weathers"} <= {i["name"] for i in w["inputs"]}
    by_rule = {f.rule: f for f in run.findings}
    assert all(f.figures for f in run.findings if f.rule in BY_RULE), [f.rule for f in run.findings if f.rule in BY_RULE and not f.figures]
    if (lolp := by_rule.get("sim-lolp-high")) is not None:
        bad = run.figures["trip/missing_bad_day_wh"]
        assert f"on a bad day {bad['value']:.0f} Wh" in lolp.message
        assert bad["value"] == pytest.approx(run.missing_wh_day / run.short_days_frac)


def test_the_rules_that_name_figures_are_rules_and_the_figures_are_counted() -> None:
    known = {field.replace(".", "/") for field, _, _ in COUNTED} | {f"{f.replace('.', '/')}_a_day" for f in PER_DAY}
    made = {"missing_bad_day_wh", "sun_part_frac", "driving_part_frac", "made_wh_day", "snow_wh"}
    stores = {f"water/{name}/{what}" for name in ("fresh", "grey", "toilet") for what in ("capacity_l", "first_d")}
    assert set(BY_RULE) <= set(RULES)
    assert {name for names in BY_RULE.values() for name in names} <= known | made | stores | {f"frost/{i}/nights_count" for i in range(3)}


@pytest.mark.parametrize(
    ("use", "wh"),
    [
        ({"power_w": 20.0, "hours_per_day": 3.0}, 60.0),
        ({"power_w": 20.0, "duty_frac": 0.25}, 120.0),
        ({"power_w": 60.0, "uses_per_day": 4.0, "minutes_per_use": 5.0}, 20.0),
        ({"energy_24h_wh": 400.0}, 400.0),
        ({"charge_energy_wh": 50.0, "charges_per_day": 2.0}, 100.0),
    ],
)
def test_the_part_that_comes_from_the_catalogue_is_counted_by_energy(use: dict[str, Any], wh: float) -> None:
    base = {"kind": "other", "zone": "living", "supply": "dc", "count": 2}
    asked = {**base, "id": "asked", "name": "Asked", "trust": "catalogue", **use}
    known = {**base, "id": "known", "name": "Known", "trust": "label", "power_w": 10.0, "hours_per_day": 5.0, "count": 1}
    gone = {**asked, "id": "gone", "name": "Gone", "count": 0}
    assert assumed_part(away(WEEK, appliances=[asked, known, gone])) == pytest.approx(2 * wh / (2 * wh + 50.0))
    assert assumed_part(away(WEEK, appliances=[gone])) == 0.0


def test_the_longest_stand_is_counted_over_legs_and_ends_at_a_drive_or_a_hook_up() -> None:
    assert _standing(away({**WEEK, "days_count": 4})) == 4
    assert _standing(away({**WEEK, "days_count": 3}, {**WEEK, "id": "b", "days_count": 2})) == 5
    assert _standing(away({**WEEK, "days_count": 3}, {**WEEK, "id": "b", "days_count": 2, "shore": True}, {**WEEK, "id": "c", "days_count": 1})) == 3
    assert _standing(away({**WEEK, "days_count": 3}, {**DRIVEN, "id": "b", "days_count": 3})) == 3
    assert _standing(away({**DRIVEN, "days_count": 4})) == 3


@pytest.mark.parametrize(("radius", "across", "width"), [(2.0, None, ACROSS_M), (2.0, 0.9, 0.9), (0.5, 1.2, 0.95), (0.5, None, 0.95)])
def test_a_bent_array_is_judged_by_a_low_sun_at_its_side(radius: float, across: float | None, width: float) -> None:
    a = away(WEEK, arrays=[{**PANELS, "roof_radius_m": radius, "across_m": across, "bypass_groups": 2}]).design.power.arrays[0]
    alone = curved_panel_factor(
        CurvedPanelFactorIn(
            panel_width_m=width,
            roof_radius_m=radius,
            bypass_group_count=2,
            sun_elevation_deg=20,
            sun_azimuth_deg=90,
            heading_deg=0,
            dni_w_m2=600,
            dhi_w_m2=80,
        )
    )
    assert _bent(a).mismatch_loss_frac == pytest.approx(alone.mismatch_loss_frac)


@pytest.mark.parametrize(("fracs", "hours"), [({9: 0.5}, 1), ({14: 0.5, 10: 0.2}, 2), ({8: 0.9, 15: 0.9}, 0), ({12: 0.0}, 0)])
def test_shade_on_a_string_is_told_in_the_hours_that_count(fracs: dict[int, float], hours: int) -> None:
    shade = [fracs.get(h, 0.0) for h in range(24)]
    pair = {**PANELS, "series_count": 2, "shade_frac": shade}
    told = found(away(WEEK, arrays=[pair], appliances=[HUNGRY])).get("sim-shade-string")
    assert (told is not None) == (hours > 0)
    if told is not None:
        assert f"shaded in {hours} hour{'s' if hours > 1 else ''} between" in told.message
    assert "sim-shade-string" not in found(away(WEEK, arrays=[{**pair, "series_count": 1}], appliances=[HUNGRY]))
