"""Banks and strings at both sides of every limit, and shares against Kirchhoff solved as a whole."""

from __future__ import annotations

from typing import Any

import numpy as np
import pytest

from bothy.core.power.bank import BankConfigureIn, bank_configure, string_shares


def bank(**more: Any) -> Any:
    return bank_configure(BankConfigureIn.model_validate({"chemistry": "lifepo4", "unit_voltage_v": 12.8, "unit_charge_ah": 100.0, **more}))


def rules(**more: Any) -> set[str]:
    return set(bank(**more).rules)


@pytest.mark.parametrize(
    ("rule", "fine", "wrong"),
    [
        ("power-bank-units-mixed", {"units_identical": True}, {"units_identical": False}),
        ("power-bank-age-mixed", {"parallel_count": 2, "age_spread_months": 6}, {"parallel_count": 2, "age_spread_months": 6.1}),
        ("power-bank-age-mixed", {"age_spread_months": 60}, {"series_count": 2, "age_spread_months": 60}),
        ("power-bank-series-limit", {"series_count": 4}, {"series_count": 5}),
        ("power-bank-series-limit", {"series_count": 2, "unit_max_series_count": 2}, {"series_count": 3, "unit_max_series_count": 2}),
        ("power-bank-series-limit", {"series_count": 2, "unit_voltage_v": 25.6}, {"series_count": 3, "unit_voltage_v": 25.6}),
        ("power-bank-series-limit", {"series_count": 1, "unit_voltage_v": 51.2}, {"series_count": 2, "unit_voltage_v": 51.2}),
        ("power-bank-parallel-many", {"parallel_count": 4, "wiring": "busbar"}, {"parallel_count": 5, "wiring": "busbar"}),
        ("power-bank-parallel-many", {"parallel_count": 2, "max_parallel_count": 2}, {"parallel_count": 3, "max_parallel_count": 2}),
        ("power-bank-same-end", {"parallel_count": 2, "wiring": "diagonal"}, {"parallel_count": 2, "wiring": "same_end"}),
        ("power-bank-same-end", {"parallel_count": 1, "wiring": "same_end"}, {"parallel_count": 2, "wiring": "same_end"}),
        ("power-bank-discharge-limit", {"unit_max_discharge_a": 100, "load_current_a": 100}, {"unit_max_discharge_a": 100, "load_current_a": 100.01}),
        ("power-bank-charge-limit", {"unit_max_charge_a": 50, "charge_current_a": 50}, {"unit_max_charge_a": 50, "charge_current_a": 50.01}),
        ("power-bank-voltage-mismatch", {"system_voltage_v": 12}, {"system_voltage_v": 24}),
        (
            "power-bank-voltage-mismatch",
            {"unit_voltage_v": 12.0, "chemistry": "agm", "system_voltage_v": 12},
            {"unit_voltage_v": 6.0, "chemistry": "agm", "system_voltage_v": 12},
        ),
        (
            "power-bank-voltage-mismatch",
            {"unit_voltage_v": 3.3, "series_count": 4, "system_voltage_v": 12, "unit_max_series_count": 8},
            {"unit_voltage_v": 3.31, "series_count": 4, "system_voltage_v": 12},
        ),
    ],
)
def test_a_bank_is_told_from_its_limit_on_and_not_before(rule: str, fine: dict[str, Any], wrong: dict[str, Any]) -> None:
    assert rule not in rules(**fine)
    assert rule in rules(**wrong)


def test_the_voltage_window_of_a_system_is_five_under_and_ten_over() -> None:
    """13.2 V is a tenth over 12 V; 11.4 V a twentieth under."""
    for volts, cells, fits in ((3.3, 4, True), (3.31, 4, False), (2.85 * 4, 4, True)):
        unit = volts if volts < 5 else volts / 4
        if 0.9 <= unit / 3.2 <= 1.1:
            assert ("power-bank-voltage-mismatch" not in rules(unit_voltage_v=unit, series_count=cells, system_voltage_v=12)) == fits
    lead = {"chemistry": "agm", "unit_charge_ah": 100.0, "system_voltage_v": 12}
    assert "power-bank-voltage-mismatch" not in rules(**{**lead, "unit_voltage_v": 11.4})
    assert "power-bank-voltage-mismatch" in rules(**{**lead, "unit_voltage_v": 11.39})


def solved(strings: int, ratio: float, wiring: str) -> np.ndarray:
    """Shares by one dense system: strings of resistance 1 between two rails of links; the current leaves at the first post of the plus rail, and
    comes back at the near or far end of the minus."""
    n = strings
    a, b = np.zeros((2 * n, 2 * n)), np.zeros(2 * n)

    def join(i: int, j: int, r: float) -> None:
        g = 1 / r
        a[i, i] += g
        a[j, j] += g
        a[i, j] -= g
        a[j, i] -= g

    emf = 1.0
    for k in range(n):
        join(k, n + k, 1.0)
        b[k] += emf
        b[n + k] -= emf
    for k in range(n - 1):
        join(k, k + 1, ratio)
        join(n + k, n + k + 1, ratio)
    out = 0.3
    b[0] -= out
    back = n if wiring == "same_end" else 2 * n - 1
    b[back] += out
    a[back, :], b[back] = 0.0, 0.0
    a[back, back] = 1.0
    v = np.linalg.solve(a, b)
    currents = emf - (v[:n] - v[n:])
    return currents / currents.sum()


@pytest.mark.parametrize("wiring", ["same_end", "diagonal"])
@pytest.mark.parametrize("strings", [2, 3, 4, 6])
@pytest.mark.parametrize("ratio", [0.02, 0.1, 0.3])
def test_strings_share_as_kirchhoff_says(strings: int, ratio: float, wiring: Any) -> None:
    assert string_shares(strings, ratio, wiring) == pytest.approx(list(solved(strings, ratio, wiring)), rel=1e-9)
    assert sum(string_shares(strings, ratio, wiring)) == pytest.approx(1)
    assert string_shares(strings, ratio, "busbar") == [1 / strings] * strings


def test_uneven_strings_are_told_from_a_tenth_on_and_limit_the_bank() -> None:
    base = {"parallel_count": 2, "unit_resistance_mohm": 10.0, "wiring": "same_end"}
    ratios = {
        link: (out.sharing_ratio, "power-bank-sharing" in out.rules) for link in (0.4, 0.49, 0.51, 2.0) for out in [bank(**base, link_resistance_mohm=link)]
    }
    for ratio, told in ratios.values():
        assert told == (ratio > 1.10)
    assert {told for _, told in ratios.values()} == {True, False}
    out = bank(**base, link_resistance_mohm=2.0, unit_max_discharge_a=100, unit_max_charge_a=50)
    assert out.max_discharge_a == pytest.approx(100 / max(out.string_share_frac))
    assert out.max_charge_a == pytest.approx(50 / max(out.string_share_frac))


def test_series_adds_volts_and_parallel_adds_amp_hours() -> None:
    out = bank(series_count=2, parallel_count=3, unit_mass_kg=11.0, unit_resistance_mohm=3.0, unit_max_discharge_a=100, wiring="busbar")
    assert (out.voltage_v, out.charge_ah, out.energy_wh, out.units_count, out.cells_count) == pytest.approx((25.6, 300, 7680, 6, 8))
    assert (out.mass_kg, out.resistance_mohm, out.max_discharge_a) == pytest.approx((66, 3.0 * 2 / 3, 300))
