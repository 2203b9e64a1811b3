"""Charge profiles against the bank, a starter battery that stands alone, panels bent over a roof."""

from __future__ import annotations

import copy
from typing import Any

import pytest

from bothy.core.calculators import calculate
from bothy.core.context import Context
from bothy.core.contract import BadInput
from bothy.core.design.document import Design, load_design
from bothy.core.design.edit import apply_patch
from bothy.core.finding import Finding
from bothy.core.power.panels import curve_factor
from bothy.core.power.profile import longest_stand
from bothy.core.report import report
from bothy.core.trips.of_design import run_trip
from bothy.core.trips.plan import panels_of
from tests.designs import AGM, BANK, CHARGER, DCDC, LAMP, MPPT, PANELS, lived


def made(*, legs: list[dict[str, Any]] | None = None, live: dict[str, Any] | None = None, vehicle: dict[str, Any] | None = None, **power: Any) -> Design:
    supply = {"bank": BANK, "arrays": [PANELS], "controller": MPPT, "driving": DCDC, "shore": CHARGER, **power}
    data = lived([LAMP], supply)
    data["vehicle"] |= vehicle or {}
    data["trips"] = {"start_date": "2026-06-01", "legs": legs or [], "live": live, "draw_count": 4}
    return load_design(copy.deepcopy(data))


def found(design: Design, rule: str) -> Finding | None:
    return next((f for f in report(design).findings if f.rule == rule), None)


@pytest.mark.parametrize(
    ("chemistry", "volts", "fine"),
    [
        ("lifepo4", 14.0, True),
        ("lifepo4", 14.6, True),
        ("lifepo4", 14.8, False),
        ("lifepo4", 13.8, False),
        ("agm", 14.4, True),
        ("agm", 14.2, False),
        ("gel", 14.4, True),
        ("gel", 14.5, False),
        ("flooded", 14.8, True),
        ("flooded", 15.5, False),
    ],
)
def test_absorption_is_held_against_the_band_of_the_bank(chemistry: str, volts: float, fine: bool) -> None:
    bank = {**BANK, "chemistry": chemistry} if chemistry == "lifepo4" else {**AGM, "chemistry": chemistry}
    assert (found(made(bank=bank, shore={**CHARGER, "profile": {"absorption_v": volts}}), "power-charge-profile") is None) is fine


def test_bands_follow_the_system_voltage() -> None:
    bank = {**BANK, "series_count": 2}
    design = made(bank=bank, vehicle={"vehicle_voltage_v": 24}, controller={**MPPT, "profile": {"absorption_v": 28.4}})
    assert found(design, "power-charge-profile") is None
    low = made(bank=bank, vehicle={"vehicle_voltage_v": 24}, controller={**MPPT, "profile": {"absorption_v": 14.4}})
    message = found(low, "power-charge-profile")
    assert message is not None
    assert "the bank needs 28.0 to 29.2 V" in message.message


def test_equalising_and_compensation_are_wrong_for_lithium_and_one_press_sets_them() -> None:
    design = made(driving={**DCDC, "profile": {"absorption_v": 15.0, "equalise": True, "compensates": True}})
    f = found(design, "power-charge-profile")
    assert f is not None
    assert f.severity == "danger"
    assert f.subject == "driving"
    assert all(w in f.message for w in ("absorption voltage is 15 V", "equalises", "temperature"))
    assert f.fix is not None
    after = apply_patch(design, f.fix.patch)
    assert found(after, "power-charge-profile") is None
    assert after.power.driving is not None
    assert after.power.driving.profile is not None
    assert after.power.driving.profile.absorption_v == pytest.approx(14.3)


def test_flooded_lead_may_be_equalised_and_all_lead_compensated() -> None:
    profile = {"absorption_v": 14.6, "equalise": True, "compensates": True}
    assert found(made(bank={**AGM, "chemistry": "flooded"}, shore={**CHARGER, "profile": profile}), "power-charge-profile") is None
    sealed = found(made(bank=AGM, shore={**CHARGER, "profile": profile}), "power-charge-profile")
    assert sealed is not None
    assert "equalises" in sealed.message
    assert "temperature" not in sealed.message


def test_what_was_not_said_is_not_judged() -> None:
    assert found(made(), "power-charge-profile") is None
    assert found(made(shore={**CHARGER, "profile": {}}), "power-charge-profile") is None
    with pytest.raises(BadInput) as e:
        made(shore={**CHARGER, "profile": {"absorption_v": 200.0}})
    assert e.value.key == "absorption_v"


def leg(days: int, drive: float = 0.0, id: str = "a") -> dict[str, Any]:
    return {"id": id, "place": "london", "days_count": days, "drive_h": drive}


@pytest.mark.parametrize(
    ("legs", "live", "days"),
    [
        ([leg(10)], None, 10),
        ([leg(10), leg(8, id="b")], None, 18),
        ([leg(10), leg(8, 2.0, "b")], None, 10),
        ([leg(3, 1.0), leg(20, 2.0, "b")], None, 19),
        ([], {"place": "london", "days_count": 60}, 60),
        ([], {"place": "london", "days_count": 60, "drive_every_d": 7}, 6),
        ([], None, 0),
    ],
)
def test_the_longest_stand_is_counted_from_drive_to_drive(legs: list[dict[str, Any]], live: dict[str, Any] | None, days: int) -> None:
    assert longest_stand(Context(made(legs=legs, live=live))) == days


def test_a_long_stand_without_a_trickle_is_noted() -> None:
    f = found(made(legs=[leg(20)]), "power-starter-unattended")
    assert f is not None
    assert "stands for 20 days" in f.message
    assert "24 Ah" in f.message
    assert found(made(legs=[leg(14)]), "power-starter-unattended") is None
    assert found(made(legs=[leg(20)], vehicle={"starter_trickle": True}), "power-starter-unattended") is None
    assert found(made(legs=[leg(20)], vehicle={"preset": "trailer"}), "power-starter-unattended") is None, "a trailer has no starter"


# --- panels bent over the roof --------------------------------------------------------------------------


def bent(**array: Any) -> Design:
    return made(legs=[leg(5)], arrays=[{**PANELS, **array}])


def test_bent_panels_are_held_back_by_their_worst_strip() -> None:
    """The mean over three heights of the sun and eight headings, by the calculator."""
    found = [
        calculate(
            "curved-panel-factor",
            {"panel_width_m": 1.2, "roof_radius_m": 2.0, "sun_elevation_deg": e, "sun_azimuth_deg": 180, "heading_deg": h, "dni_w_m2": 700, "dhi_w_m2": 100},
        ).dump()["series_factor_frac"]
        for e in (15, 30, 60)
        for h in range(0, 360, 45)
    ]
    one = bent(roof_radius_m=2.0, across_m=1.2).power.arrays[0]
    assert curve_factor(one) == pytest.approx(sum(found) / 24)
    assert 0.6 < curve_factor(one) < 0.9
    rows = bent(roof_radius_m=2.0, across_m=1.2, bypass_groups=12).power.arrays[0]
    assert curve_factor(one) < curve_factor(rows) <= 1, "a bypass for each row along the vehicle"
    for straight in (bent(), bent(roof_radius_m=2.0, tilt_deg=20.0), bent(roof_radius_m=2.0, deploy="ground")):
        assert curve_factor(straight.power.arrays[0]) == 1
    plan = panels_of(Context(bent(roof_radius_m=2.0, across_m=1.2)))
    assert plan[0].module.mismatch_frac == pytest.approx(0.98 * curve_factor(one))


def test_a_flat_roof_is_the_limit_of_a_large_radius() -> None:
    flat, slight = run_trip(Context(bent())), run_trip(Context(bent(roof_radius_m=100.0)))
    assert slight.sun_wh_day + slight.curtailed_wh_day == pytest.approx(flat.sun_wh_day + flat.curtailed_wh_day, rel=0.005)
    strong = run_trip(Context(bent(roof_radius_m=0.8)))
    assert strong.sun_wh_day + strong.curtailed_wh_day < flat.sun_wh_day + flat.curtailed_wh_day, "in summer the lean costs light"


def test_the_loss_of_bent_panels_in_series_is_said() -> None:
    rules = {f.rule: f for f in run_trip(Context(bent(roof_radius_m=1.5))).findings}
    assert rules["sim-curve-mismatch"].severity == "fault"
    assert "its edge leans 24°" in rules["sim-curve-mismatch"].message
    mild = {f.rule: f for f in run_trip(Context(bent(roof_radius_m=6.0))).findings}
    assert mild["sim-curve-mismatch"].severity == "advice"
    assert "sim-curve-mismatch" not in {f.rule for f in run_trip(Context(bent(roof_radius_m=60.0))).findings}


def test_glued_panels_in_the_heat_get_hot_and_an_air_gap_cools_them() -> None:
    def rules(mounting: str, place: str) -> dict[str, Any]:
        data = made(legs=[{**leg(5), "place": place}]).model_dump(mode="json")
        data["trips"]["start_date"] = "2027-01-10"
        for a in data["power"]["arrays"]:
            a["mounting"] = mounting
        return {f.rule: f for f in run_trip(Context(load_design(data))).findings}

    hot = rules("glued", "alice_springs")["sim-cell-hot"]
    assert "in January at Alice Springs" in hot.message
    assert "sim-cell-hot" not in rules("open_rack", "alice_springs")
    assert "sim-cell-hot" not in rules("glued", "inverness")


def test_what_is_fed_in_less_what_is_used_is_what_the_bank_gains() -> None:
    run = run_trip(Context(made(legs=[leg(5, 2.0)])))
    day = run.per_day
    fed = sum(run.fed_w.p50[:day]) * 24 / day
    assert fed > 0
    for fed_w, sun_w in zip(run.fed_w.p50, run.sun_w.p50, strict=True):
        assert fed_w >= 0
        assert sun_w >= 0
    hooked = run_trip(Context(made(legs=[{**leg(3), "shore": True}])))
    assert sum(hooked.fed_w.p50) >= sum(hooked.load_w.p50) * 0.95, "a hook-up carries the load"
