"""The gas leak test by pressure drop, warmth and weather taken out (method gas.leak-test)."""

from __future__ import annotations

from typing import ClassVar, Literal, Self

from pydantic import Field, model_validator

from bothy.core.constants import ZERO_K
from bothy.core.contract import EPS, Contract, Given, Outcome
from bothy.core.figure import Figure, derived
from bothy.core.fluid import area_m2
from bothy.core.gas.mixture import ATM_MBAR, GasIn
from bothy.core.gas.pipe import LIMITS
from bothy.core.method.sources import Method, Standard
from bothy.core.region import RegionKey
from bothy.core.water.hold_test import judged
from bothy.core.words.says import gas_says as says

AIR_MU = 17.9e-6
STANDARD_K = 288.15


class PipeIn(Contract):
    inner_diameter_mm: float = Field(ge=2, le=100)
    length_m: float = Field(ge=0, le=200)


class GasLeakTestIn(GasIn):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (("volume_l", "pipes"),)
    region: RegionKey = "eu"
    test_gas: Literal["air", "lpg"] = "air"
    start_mbar: float = Field(ge=1, le=1000)
    end_mbar: float = Field(ge=0, le=1000)
    duration_min: float = Field(gt=0, le=1440)
    stabilise_min: float = Field(5, ge=0, le=1440)
    start_temp_c: float = Field(15, ge=-20, le=60)
    end_temp_c: float | None = Field(None, ge=-20, le=60)
    baro_start_mbar: float = Field(ATM_MBAR, ge=500, le=1100)
    baro_end_mbar: float | None = Field(None, ge=500, le=1100)
    gauge_resolution_mbar: float = Field(0.1, ge=0.001, le=50)
    allowed_drop_mbar: float = Field(0, ge=0, le=100)
    min_test_mbar: float | None = Field(None, ge=1, le=1000)
    min_duration_min: float | None = Field(None, ge=0.5, le=1440)
    min_stabilise_min: float | None = Field(None, ge=0, le=1440)
    max_drift_k: float = Field(2, ge=0, le=20)
    working_mbar: float | None = Field(None, ge=10, le=500)
    room_volume_m3: float | None = Field(None, ge=0.1, le=200)
    volume_l: float | None = Field(None, gt=0, le=500)
    pipes: list[PipeIn] | None = Field(None, min_length=1, max_length=40)

    @model_validator(mode="after")
    def _volume(self) -> Self:
        self.exactly_one(*self.ONE_OF[0])
        return self


class GasLeakTestOut(Outcome):
    volume_l: float
    drop_mbar: float
    expected_end_mbar: float
    corrected_drop_mbar: float
    limit_mbar: float
    leak_std_l_h: float
    leak_working_g_h: float
    leak_working_w_net: float
    detectable_std_l_h: float
    lel_frac: float
    time_to_quarter_lel_h: float | None
    verdict: Literal["pass", "repeat", "fail"]
    reasons: list[str]


def _volume(inp: GasLeakTestIn, g: Given) -> Figure:
    """Litres of what is tested: typed, or from its pipes."""
    if inp.volume_l is not None:
        return g("volume_l")
    litres = sum(1000 * area_m2(p.inner_diameter_mm) * p.length_m for p in inp.pipes or [])
    return derived("volume_l", "Σ πD²/4·L", litres, Method("gas.leak-test", "geometry"))


def _against(inp: GasLeakTestIn, corrected_mbar: float, limit_mbar: float, drift_k: float) -> list[str]:
    """What speaks against the test, in words of the contract; empty: it is passed."""
    law = LIMITS[inp.region]
    low = inp.min_test_mbar if inp.min_test_mbar is not None else law.test
    least = inp.min_duration_min if inp.min_duration_min is not None else law.minutes
    settle = inp.min_stabilise_min if inp.min_stabilise_min is not None else law.stabilise
    return [
        word
        for word, holds in (
            ("pressure-too-low", inp.start_mbar < low - EPS),
            ("not-stabilised", inp.stabilise_min < settle - EPS),
            ("too-short", inp.duration_min < least - EPS),
            ("temperature-drift", drift_k > inp.max_drift_k + EPS),
            ("pressure-rise", corrected_mbar < -limit_mbar - EPS),
            ("drop-over-limit", corrected_mbar > limit_mbar + EPS),
        )
        if holds
    ]


def _drop(inp: GasLeakTestIn, g: Given, b1: float, b2: float, end_c: float) -> tuple[Figure, Figure]:
    """Where the pressure would end without a leak, and how far it fell beyond that, mbar."""
    t1, t2 = inp.start_temp_c + ZERO_K, end_c + ZERO_K
    expected = derived(
        "expected_end_mbar",
        "(p₁ + b₁)·T₂/T₁ − b₂",
        (inp.start_mbar + b1) * t2 / t1 - b2,
        Method("gas.leak-test", "gas law"),
        start_mbar=g("start_mbar"),
        baro_start_mbar=b1,
        baro_end_mbar=b2,
        start_temp_c=g("start_temp_c"),
        end_temp_c=end_c,
    )
    corrected = derived(
        "corrected_drop_mbar", "expected − end", expected.value - inp.end_mbar, Method("gas.leak-test"), expected_end_mbar=expected, end_mbar=g("end_mbar")
    )
    return expected, corrected


def gas_leak_test(inp: GasLeakTestIn, sources: dict[str, Figure] | None = None) -> GasLeakTestOut:
    """Verdict of a pressure-drop test, and the leak that a drop stands for. It ranks leaks and excuses none. Method: gas.leak-test."""
    g = Given(inp, sources)
    mix, law = inp.mix, LIMITS[inp.region]
    volume = _volume(inp, g)
    end_c = inp.start_temp_c if inp.end_temp_c is None else inp.end_temp_c
    b1, b2 = inp.baro_start_mbar, inp.baro_start_mbar if inp.baro_end_mbar is None else inp.baro_end_mbar
    t1, t2 = inp.start_temp_c + ZERO_K, end_c + ZERO_K
    expected, corrected = _drop(inp, g, b1, b2, end_c)
    limit = derived(
        "limit_mbar",
        says("allowed-gauge-step"),
        inp.allowed_drop_mbar + inp.gauge_resolution_mbar,
        Method("gas.leak-test"),
        allowed_drop_mbar=g("allowed_drop_mbar"),
        gauge_resolution_mbar=g("gauge_resolution_mbar"),
    )

    def litres(drop: float) -> float:
        return max(0.0, drop) * volume.value / ATM_MBAR * (STANDARD_K / t2) * 60 / inp.duration_min

    leak = derived(
        "leak_std_l_h",
        "drop·V/1013.25·(288.15/T₂)·60/t",
        litres(corrected.value),
        Method("gas.leak-test", "gas law"),
        corrected_drop_mbar=corrected,
        volume_l=volume,
        duration_min=g("duration_min"),
    )
    working = law.appliance if inp.working_mbar is None else inp.working_mbar
    thin = AIR_MU / mix.viscosity(15) if inp.test_gas == "air" else 1.0
    mean = (inp.start_mbar + inp.end_mbar) / 2
    gas_l = leak.value * thin * working / mean
    grams = gas_l * mix.gas_kg_m3(ATM_MBAR, 15)
    room = inp.room_volume_m3
    reasons = _against(inp, corrected.value, limit.value, abs(t2 - t1))
    return GasLeakTestOut.of(
        volume_l=volume,
        drop_mbar=derived(
            "drop_mbar", "start − end", inp.start_mbar - inp.end_mbar, Method("gas.leak-test", "definition"), start_mbar=g("start_mbar"), end_mbar=g("end_mbar")
        ),
        expected_end_mbar=expected,
        corrected_drop_mbar=corrected,
        limit_mbar=limit,
        leak_std_l_h=leak,
        leak_working_g_h=derived(
            "leak_working_g_h",
            "leak·17.9/µ·p_work/p_mean·ρ" if inp.test_gas == "air" else "leak·p_work/p_mean·ρ",
            grams,
            Method("gas.leak-test", "laminar leak"),
            leak_std_l_h=leak,
            working_mbar=working,
        ),
        leak_working_w_net=derived(
            "leak_working_w_net",
            "g/h·kWh/kg",
            grams * mix.kwh_kg_net,
            Method("gas.leak-test", "net heat value"),
            leak_std_l_h=leak,
            energy_kwh_kg_net=mix.kwh_kg_net,
        ),
        detectable_std_l_h=derived(
            "detectable_std_l_h",
            says("leak-one-step-gauge"),
            litres(inp.gauge_resolution_mbar),
            Method("gas.leak-test"),
            gauge_resolution_mbar=g("gauge_resolution_mbar"),
            volume_l=volume,
        ),
        lel_frac=derived("lel_frac", "1/Σ(x/LEL)", mix.lel, Method("gas.leak-test", "Le Chatelier") + Standard("IEC 60079-20-1")),
        time_to_quarter_lel_h=derived(
            "time_to_quarter_lel_h",
            "0.25·LEL·room·1000/(L/h)",
            0.25 * mix.lel * room * 1000 / gas_l,
            Method("gas.leak-test", "no ventilation"),
            room_volume_m3=room,
            leak_std_l_h=leak,
        )
        if room is not None and gas_l > 0
        else None,
        verdict=judged(reasons, ("temperature-drift", "not-stabilised")),
        reasons=reasons,
    )
