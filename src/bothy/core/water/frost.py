"""How long water stands before it freezes, and what holds it (method water.freezing)."""

from __future__ import annotations

import math

from pydantic import Field

from bothy.core.contract import Contract, Given, Outcome
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method
from bothy.core.water.properties import HEAT_J_LK, ICE_J_L
from bothy.core.words.says import water_says as says


class FreezeHoldIn(Contract):
    volume_l: float = Field(gt=0, le=1000)
    start_temp_c: float = Field(10, ge=0, le=40)
    outside_temp_c: float = Field(ge=-50, lt=0)
    loss_w_k: float = Field(gt=0, le=100)
    ice_frac: float = Field(0.1, ge=0, le=1)
    hold_temp_c: float = Field(4, ge=0.5, le=20)
    heater_w: float = Field(0, ge=0, le=1000)
    battery_voltage_v: float = Field(12.8, ge=10, le=60)


class FreezeHoldOut(Outcome):
    steady_temp_c: float
    time_to_zero_h: float | None
    time_to_ice_h: float | None
    hold_heat_w: float
    hold_charge_ah_day: float


@formula(says("heat-hold"), "UA·(T_hold − T_out)", unit="W", source=Method("water.freezing", "heat loss"))
def hold_heat(loss_w_k: float, hold_temp_c: float, outside_temp_c: float) -> float:
    return loss_w_k * (hold_temp_c - outside_temp_c)


def freeze_hold(inp: FreezeHoldIn, sources: dict[str, Figure] | None = None) -> FreezeHoldOut:
    """Hours to 0 °C and to ice, and the heat that holds it. Method: water.freezing."""
    g = Given(inp, sources)
    steady = derived(
        "steady_temp_c",
        "T_out + P/UA",
        inp.outside_temp_c + inp.heater_w / inp.loss_w_k,
        Method("water.freezing", "heat balance"),
        outside_temp_c=g("outside_temp_c"),
        heater_w=g("heater_w"),
        loss_w_k=g("loss_w_k"),
    )
    ts = steady.value
    zero = ice = None
    if ts < 0:
        zero = derived(
            "time_to_zero_h",
            "(C/UA)·ln[(T₀ − T_s)/(−T_s)]",
            HEAT_J_LK * inp.volume_l / inp.loss_w_k * math.log((inp.start_temp_c - ts) / -ts) / 3600,
            Method("water.freezing", "lumped cooling"),
            volume_l=g("volume_l"),
            loss_w_k=g("loss_w_k"),
            start_temp_c=g("start_temp_c"),
            steady_temp_c=steady,
        )
        ice = derived(
            "time_to_ice_h",
            "time to 0 °C + V·334000·φ/(UA·(−T_s))",
            zero.value + inp.volume_l * ICE_J_L * inp.ice_frac / (inp.loss_w_k * -ts) / 3600,
            Method("water.freezing", "latent heat"),
            time_to_zero_h=zero,
            ice_frac=g("ice_frac"),
        )
    hold = hold_heat(g("loss_w_k"), g("hold_temp_c"), g("outside_temp_c"))
    return FreezeHoldOut.of(
        steady_temp_c=steady,
        time_to_zero_h=zero,
        time_to_ice_h=ice,
        hold_heat_w=hold,
        hold_charge_ah_day=derived(
            "hold_charge_ah_day",
            "W·24/U",
            hold.value * 24 / inp.battery_voltage_v,
            Method("water.freezing", "definition"),
            hold_heat_w=hold,
            battery_voltage_v=g("battery_voltage_v"),
        ),
    )
