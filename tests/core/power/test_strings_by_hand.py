"""Panels in strings against sums made by hand: unlike strings side by side, PWM in the heat, fuses by region, thresholds on both sides."""

from __future__ import annotations

import math
from typing import Any

import pytest

from bothy.core.power.bank import BankSizeIn, bank_size, cells_of_unit
from bothy.core.power.chemistry import CHEMISTRIES
from bothy.core.power.solar import SolarStringIn, derate_product, solar_string

PANEL = {"power_w": 100.0, "vmp_v": 18.0, "imp_a": 5.6, "voc_v": 22.0, "isc_a": 6.0, "voc_coeff_per_k": -0.003, "power_coeff_per_k": -0.0035, "noct_c": 45.0}
STEEP = {**PANEL, "power_w": 150.0, "vmp_v": 27.0, "voc_v": 33.0}


def strings(*of: dict[str, Any], **more: Any) -> Any:
    base = {
        "controller_type": "mppt",
        "system_voltage_v": 12,
        "max_voltage_v": 100.0,
        "max_charge_current_a": 60.0,
        "min_temp_c": -10.0,
        "max_ambient_c": 40.0,
        "region": "eu",
    }
    return solar_string(SolarStringIn.model_validate({**base, **more, "strings": list(of)}))


def string(panel: dict[str, Any] = PANEL, s: int = 1, n: int = 1) -> dict[str, Any]:
    return {"panel": panel, "series_count": s, "parallel_count": n}


def at(panel: dict[str, Any], s: int, volts: float) -> float:
    """Current of a string: Imp to its Vmp, then straight down to its Voc."""
    if volts <= s * panel["vmp_v"]:
        return float(panel["imp_a"])
    return max(0.0, panel["imp_a"] * (s * panel["voc_v"] - volts) / (s * (panel["voc_v"] - panel["vmp_v"])))


@pytest.mark.parametrize("s", [1, 2])
def test_unlike_strings_lose_what_the_best_common_voltage_loses(s: int) -> None:
    out = strings(string(PANEL, s), string(STEEP, s, 2))
    volts = [s * 18.0, s * 27.0]
    power = {v: v * (at(PANEL, s, v) + 2 * at(STEEP, s, v)) for v in volts}
    best = max(volts, key=lambda v: power[v])
    ideal = s * (18.0 * 5.6 + 2 * 27.0 * 5.6)
    assert out.mismatch_frac == pytest.approx(1 - power[best] / ideal, abs=1e-12)
    assert out.operating_voltage_v == best
    whole = s * (100.0 + 2 * 150.0)
    assert out.uncapped_current_a == pytest.approx(whole * (power[best] / ideal) * 0.96 / 12.8, rel=0.03)
    assert out.voc_cold_v == pytest.approx(s * 33.0 * (1 + 0.003 * 35)), "the higher string counts in the cold"
    assert out.vmp_hot_v == pytest.approx(min(g.vmp_hot_v for g in out.groups)), "the lower one in the heat"
    assert out.voc_hot_v == pytest.approx(min(g.voc_hot_v for g in out.groups))


@pytest.mark.parametrize("ambient", [20.0, 40.0, 60.0])
def test_a_pwm_controller_pulls_hot_panels_to_the_battery(ambient: float) -> None:
    low = {**PANEL, "vmp_v": 14.0, "voc_v": 17.0, "power_w": 78.4}
    out = strings(string(low, 1, 2), controller_type="pwm", max_ambient_c=ambient, mounting="open_rack")
    g = out.groups[0]
    b = 12.8
    c = 1.0 if b <= g.vmp_hot_v else max(0.0, (g.voc_hot_v - b) / (g.voc_hot_v - g.vmp_hot_v))
    assert out.pwm_power_w == pytest.approx(b * 2 * 5.6 * c)


@pytest.mark.parametrize(("region", "isc", "fuse"), [("eu", 6.0, 10.0), ("us", 6.0, 10.0), ("eu", 6.6, 10.0), ("us", 6.6, 12.0)])
def test_the_fuse_of_a_string_goes_by_the_region(region: str, isc: float, fuse: float) -> None:
    out = strings(string({**PANEL, "isc_a": isc, "max_series_fuse_a": 15.0}, 1, 4), region=region)
    assert out.groups[0].fuse_required
    assert out.groups[0].fuse_a == fuse


def test_no_fuse_may_be_larger_than_the_panel_stands_nor_than_its_current_allows() -> None:
    assert strings(string({**PANEL, "max_series_fuse_a": 9.9}, 1, 4)).groups[0].fuse_a is None
    assert strings(string({**PANEL, "max_series_fuse_a": 10.0}, 1, 4)).groups[0].fuse_a == 10.0
    small = {**PANEL, "isc_a": 0.55, "imp_a": 0.5, "power_w": 9.0, "max_series_fuse_a": 15.0}
    fuse = strings(string(small, 1, 50)).groups[0].fuse_a
    assert fuse == 1.0, "between 1.5 and 2.4 times its short-circuit current"


@pytest.mark.parametrize(
    ("power", "told"), [(18.0 * 5.6 / 1.0499, False), (18.0 * 5.6 / 1.0501, True), (18.0 * 5.6 / 0.9501, False), (18.0 * 5.6 / 0.9499, True)]
)
def test_a_label_may_differ_from_its_volts_and_amps_by_a_twentieth(power: float, told: bool) -> None:
    assert ("power-panel-data-inconsistent" in strings(string({**PANEL, "power_w": power})).rules) == told


@pytest.mark.parametrize(("kind", "run", "start"), [("mppt", 1.0, 5.0), ("pwm", 0.5, 0.5)])
def test_margins_over_the_charge_voltage_are_those_of_the_kind(kind: str, run: float, start: float) -> None:
    hot = strings(string(), controller_type=kind, max_ambient_c=40.0).groups[0]
    charge = hot.vmp_hot_v - run
    assert "power-solar-vmp-low" not in strings(string(), controller_type=kind, charge_voltage_v=charge - 1e-3).rules
    assert "power-solar-vmp-low" in strings(string(), controller_type=kind, charge_voltage_v=charge + 1e-3).rules
    near = hot.voc_hot_v - start
    if kind == "mppt":
        assert "power-solar-start-low" not in strings(string(), charge_voltage_v=min(charge, near) - 1e-3).rules


def test_every_loss_is_a_factor() -> None:
    factors = [0.9, 0.8, 0.97, 0.96, 0.95, 0.94, 0.93, 0.92, 0.91, 0.89]
    assert derate_product.raw(*factors) == pytest.approx(math.prod(factors))


@pytest.mark.parametrize(
    ("chemistry", "volts", "cells"),
    [("lifepo4", v, round(v / 3)) for v in (3, 6, 12, 24, 36, 48)]
    + [("lifepo4", 12.8, 4), ("lifepo4", 25.6, 8), ("lifepo4", 51.2, 16), ("lifepo4", 38.4, 12), ("lifepo4", 3.2, 1), ("lifepo4", 6.4, 2)]
    + [("nmc", 14.6, 4), ("nmc", 3.65, 1), ("nmc", 25.55, 7), ("agm", 12, 6), ("agm", 6, 3), ("agm", 2, 1), ("gel", 24, 12)],
)
def test_cells_of_a_unit_follow_from_its_label(chemistry: Any, volts: float, cells: int) -> None:
    assert cells_of_unit(CHEMISTRIES[chemistry], volts) == cells


def test_a_bank_takes_the_day_as_a_mean_current_and_weighs_by_its_energy() -> None:
    asked = {"chemistry": "agm", "system_voltage_v": 12, "daily_energy_wh": 1200.0, "autonomy_days": 2.0, "unit_charge_ah": 100.0}
    out = bank_size(BankSizeIn.model_validate(asked))
    assert out.figure("parallel_count").value == math.ceil(out.figure("required_charge_ah").value / 100.0 - 1e-9)
    per = CHEMISTRIES["agm"].kg_per_kwh * out.figure("installed_charge_ah").value * 12.0 / 1000
    assert out.figure("mass_kg").value == pytest.approx(per, rel=0.05)
