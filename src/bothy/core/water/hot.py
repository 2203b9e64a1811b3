"""Hot water: instant, stored, mixed (method water.instant)."""

from __future__ import annotations

import math
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, BadInput, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula, given
from bothy.core.method.sources import Method
from bothy.core.water.properties import ATMOSPHERE_KPA, COOLANT_J_LK, HEAT_J_LK, expansion
from bothy.core.words.says import water_says as says

HOTTEST = 99.0


@formula(says("heat-water"), "4186·Q/60·ΔT", unit="W", source=Method("water.instant"))
def flowing_heat(flow_l_min: float, rise_k: float) -> float:
    return HEAT_J_LK * flow_l_min / 60 * rise_k


class InstantHeatIn(Contract):
    solve_for: Literal["heat", "flow", "outlet"]
    inlet_temp_c: float = Field(10, ge=0, le=90)
    efficiency_frac: float = Field(0.85, gt=0, le=1)
    flow_l_min: float | None = Field(None, gt=0, le=100)
    outlet_temp_c: float | None = Field(None, ge=0, le=99)
    heat_input_w: float | None = Field(None, gt=0, le=100000)

    @model_validator(mode="after")
    def _two(self) -> Self:
        needed = {"heat": ("flow_l_min", "outlet_temp_c"), "flow": ("outlet_temp_c", "heat_input_w"), "outlet": ("flow_l_min", "heat_input_w")}[self.solve_for]
        for key in needed:
            if getattr(self, key) is None:
                raise wrong(key, says("required-to-solve-for", solve_for=self.solve_for))
        if self.solve_for != "outlet" and self.outlet_temp_c is not None and self.outlet_temp_c <= self.inlet_temp_c:
            raise wrong("outlet_temp_c", says("must-be-more-than-inlet", inlet_temp_c=self.inlet_temp_c))
        return self


class InstantHeatOut(Outcome):
    flow_l_min: float
    outlet_temp_c: float
    rise_k: float
    heat_to_water_w: float
    heat_input_w: float
    input_energy_wh_per_l: float


def instant_heat(inp: InstantHeatIn, sources: dict[str, Figure] | None = None) -> InstantHeatOut:
    """Heat, flow or outlet of a heater that warms water as it flows. Method: water.instant."""
    g = Given(inp, sources)
    t0, eta = g("inlet_temp_c"), g("efficiency_frac")
    if inp.solve_for == "heat":
        flow, out = g("flow_l_min"), g("outlet_temp_c")
        rise = derived("rise_k", "T_out − T_in", out.value - t0.value, Method("water.instant", "definition"), outlet_temp_c=out, inlet_temp_c=t0)
        water = flowing_heat(flow, rise)
        heat = derived("heat_input_w", "heat/η", water.value / eta.value, Method("water.instant"), heat_to_water_w=water, efficiency_frac=eta)
    else:
        heat = g("heat_input_w")
        water = derived("heat_to_water_w", "η·input", heat.value * eta.value, Method("water.instant"), heat_input_w=heat, efficiency_frac=eta)
        if inp.solve_for == "flow":
            out = g("outlet_temp_c")
            rise = derived("rise_k", "T_out − T_in", out.value - t0.value, Method("water.instant", "definition"), outlet_temp_c=out, inlet_temp_c=t0)
            flow = derived(
                "flow_l_min", "60·P/(4186·ΔT)", 60 * water.value / (HEAT_J_LK * rise.value), Method("water.instant"), heat_to_water_w=water, rise_k=rise
            )
        else:
            flow = g("flow_l_min")
            rise = derived(
                "rise_k", "60·P/(4186·Q)", 60 * water.value / (HEAT_J_LK * flow.value), Method("water.instant"), heat_to_water_w=water, flow_l_min=flow
            )
            out = derived("outlet_temp_c", "T_in + ΔT", t0.value + rise.value, Method("water.instant", "definition"), inlet_temp_c=t0, rise_k=rise)
            if out.value > HOTTEST:
                raise BadInput(
                    "flow_l_min",
                    says("water-would-boil-at", out_c=out.value, water_l_min=60 * water.value / (HEAT_J_LK * (HOTTEST - t0.value))),
                )
    return InstantHeatOut.of(
        flow_l_min=flow,
        outlet_temp_c=out,
        rise_k=rise,
        heat_to_water_w=water,
        heat_input_w=heat,
        input_energy_wh_per_l=derived(
            "input_energy_wh_per_l", "input/(60·Q)", heat.value / (60 * flow.value), Method("water.instant", "definition"), heat_input_w=heat, flow_l_min=flow
        ),
    )


class StorageHeatTimeIn(Contract):
    volume_l: float = Field(gt=0, le=500)
    start_temp_c: float = Field(10, ge=0, le=95)
    target_temp_c: float = Field(60, ge=0, le=95)
    ambient_temp_c: float = Field(15, ge=-40, le=60)
    loss_w_k: float = Field(1, ge=0, le=100)
    heat_w: float = Field(0, ge=0, le=50000)
    coil_ua_w_k: float = Field(0, ge=0, le=5000)
    coolant_temp_c: float = Field(85, ge=0, le=120)
    coolant_flow_l_min: float = Field(10, gt=0, le=100)
    supply: Literal["other", "dc", "inverter"] = "other"
    battery_voltage_v: float = Field(12.8, ge=10, le=60)
    inverter_efficiency_frac: float = Field(0.88, gt=0, le=1)
    usable_min_temp_c: float = Field(40, ge=0, le=90)

    @model_validator(mode="after")
    def _target(self) -> Self:
        if self.target_temp_c <= self.start_temp_c:
            raise wrong("target_temp_c", says("must-be-more-than-start", start_temp_c=self.start_temp_c))
        return self


class StorageHeatTimeOut(Outcome):
    time_min: float | None
    max_temp_c: float | None
    coil_effective_w_k: float
    initial_heat_w: float
    stored_energy_wh: float
    heater_energy_wh: float | None
    battery_charge_ah: float | None
    standing_loss_w: float
    cool_down_h: float | None


def _heating(inp: StorageHeatTimeIn, g: Given, coil: Figure, seconds: float | None) -> tuple[Figure | None, Figure | None, Figure | None]:
    """Time to the target, and what the heater and the battery give for it; None where it is never reached, or the battery doesn't heat."""
    if seconds is None:
        return None, None, None
    charge = None
    time = derived(
        "time_min",
        "(C/k)·ln[(T∞ − T₀)/(T∞ − T_t)]" if coil.value + inp.loss_w_k else "C·ΔT/P",
        seconds / 60,
        Method("water.storage"),
        volume_l=g("volume_l"),
        heat_w=g("heat_w"),
        coil_effective_w_k=coil,
        target_temp_c=g("target_temp_c"),
    )
    energy = derived("heater_energy_wh", "P·time", inp.heat_w * seconds / 3600, Method("water.storage", "definition"), heat_w=g("heat_w"), time_min=time)
    if inp.supply != "other":
        eta = inp.inverter_efficiency_frac if inp.supply == "inverter" else 1.0
        charge = derived(
            "battery_charge_ah",
            "energy/(η·U)",
            energy.value / (eta * inp.battery_voltage_v),
            Method("water.storage"),
            heater_energy_wh=energy,
            battery_voltage_v=g("battery_voltage_v"),
            inverter_efficiency_frac=given("inverter_efficiency_frac", eta, "input"),
        )
    return time, energy, charge


def _cool_down(inp: StorageHeatTimeIn, g: Given) -> Figure | None:
    """Until the water is no longer of use; None where it doesn't cool so far."""
    t1, amb, usable, ul = inp.target_temp_c, inp.ambient_temp_c, inp.usable_min_temp_c, inp.loss_w_k
    if not (ul > 0 and t1 > usable > amb):
        return None
    return derived(
        "cool_down_h",
        "(C/U_L)·ln[(T_t − T_amb)/(T_u − T_amb)]",
        HEAT_J_LK * inp.volume_l / ul * math.log((t1 - amb) / (usable - amb)) / 3600,
        Method("water.storage", "lumped cooling"),
        volume_l=g("volume_l"),
        loss_w_k=g("loss_w_k"),
        usable_min_temp_c=g("usable_min_temp_c"),
    )


def storage_heat_time(inp: StorageHeatTimeIn, sources: dict[str, Figure] | None = None) -> StorageHeatTimeOut:
    """How long a boiler takes, what it stores and what it loses. Method: water.storage."""
    g = Given(inp, sources)
    m_c = COOLANT_J_LK * inp.coolant_flow_l_min / 60
    coil = derived(
        "coil_effective_w_k",
        "m_c·(1 − e^(−UA/m_c)), m_c = 3700·q/60",
        m_c * (1 - math.exp(-inp.coil_ua_w_k / m_c)),
        Method("water.storage", "exchanger against one temperature"),
        coil_ua_w_k=g("coil_ua_w_k"),
        coolant_flow_l_min=g("coolant_flow_l_min"),
    )
    c, u, ul = HEAT_J_LK * inp.volume_l, coil.value, inp.loss_w_k
    t0, t1, amb, p = inp.start_temp_c, inp.target_temp_c, inp.ambient_temp_c, inp.heat_w
    k = u + ul
    first = p + u * (inp.coolant_temp_c - t0) + ul * (amb - t0)
    seconds: float | None
    highest: Figure | None = None
    if k == 0:
        seconds = c * (t1 - t0) / p if p > 0 else None
    else:
        highest = derived(
            "max_temp_c",
            "(P + U_e·T_coolant + U_L·T_amb)/(U_e + U_L)",
            (p + u * inp.coolant_temp_c + ul * amb) / k,
            Method("water.storage", "where gain and loss are equal; the thermostat ends it before"),
            heat_w=g("heat_w"),
            coil_effective_w_k=coil,
            coolant_temp_c=g("coolant_temp_c"),
            loss_w_k=g("loss_w_k"),
            ambient_temp_c=g("ambient_temp_c"),
        )
        seconds = c / k * math.log((highest.value - t0) / (highest.value - t1)) if highest.value > t1 + EPS else None
    stored = derived(
        "stored_energy_wh",
        "4186·V·ΔT/3600",
        c * (t1 - t0) / 3600,
        Method("water.storage", "heat capacity"),
        volume_l=g("volume_l"),
        target_temp_c=g("target_temp_c"),
        start_temp_c=g("start_temp_c"),
    )
    time, energy, charge = _heating(inp, g, coil, seconds)
    return StorageHeatTimeOut.of(
        time_min=time,
        max_temp_c=highest,
        coil_effective_w_k=coil,
        initial_heat_w=derived(
            "initial_heat_w",
            "P + U_e·(T_coolant − T₀) + U_L·(T_amb − T₀)",
            first,
            Method("water.storage", "heat balance"),
            heat_w=g("heat_w"),
            coil_effective_w_k=coil,
        ),
        stored_energy_wh=stored,
        heater_energy_wh=energy,
        battery_charge_ah=charge,
        standing_loss_w=derived(
            "standing_loss_w",
            "U_L·(T_t − T_amb)",
            ul * (t1 - amb),
            Method("water.storage", "heat loss"),
            loss_w_k=g("loss_w_k"),
            target_temp_c=g("target_temp_c"),
            ambient_temp_c=g("ambient_temp_c"),
        ),
        cool_down_h=_cool_down(inp, g),
    )


class MixedWaterIn(Contract):
    hot_volume_l: float = Field(gt=0, le=500)
    hot_temp_c: float = Field(ge=20, le=99)
    cold_temp_c: float = Field(10, ge=0, le=40)
    mix_temp_c: float = Field(38, ge=20, le=60)
    usable_frac: float = Field(0.8, gt=0, le=1)
    mix_flow_l_min: float = Field(6, gt=0, le=40)
    reheat_w: float = Field(0, ge=0, le=50000)

    @model_validator(mode="after")
    def _order(self) -> Self:
        if self.mix_temp_c <= self.cold_temp_c:
            raise wrong("mix_temp_c", says("must-be-more-than-cold", cold_temp_c=self.cold_temp_c))
        if self.hot_temp_c < self.mix_temp_c:
            raise wrong("hot_temp_c", says("must-be-at-least", mix_temp_c=self.mix_temp_c))
        return self


class MixedWaterOut(Outcome):
    hot_share_frac: float
    hot_flow_l_min: float
    cold_flow_l_min: float
    endless: bool
    mixed_volume_l: float | None
    shower_time_min: float | None


@formula(says("share-hot"), "(T_m − T_c)/(T_h − T_c)", unit="%", source=Method("water.mixing", "mixing"))
def hot_share(mix_temp_c: float, cold_temp_c: float, hot_temp_c: float) -> float:
    return (mix_temp_c - cold_temp_c) / (hot_temp_c - cold_temp_c)


def mixed_water(inp: MixedWaterIn, sources: dict[str, Figure] | None = None) -> MixedWaterOut:
    """Litres at the shower's temperature from a hot store. Method: water.mixing."""
    g = Given(inp, sources)
    share = hot_share(g("mix_temp_c"), g("cold_temp_c"), g("hot_temp_c"))
    below = (inp.mix_temp_c - inp.cold_temp_c) - inp.reheat_w * 60 / (HEAT_J_LK * inp.mix_flow_l_min)
    volume = time = None
    if below > EPS:
        volume = derived(
            "mixed_volume_l",
            "u·V·(T_h − T_c)/[(T_m − T_c) − P/(4186·Q/60)]",
            inp.usable_frac * inp.hot_volume_l * (inp.hot_temp_c - inp.cold_temp_c) / below,
            Method("water.mixing"),
            hot_volume_l=g("hot_volume_l"),
            usable_frac=g("usable_frac"),
            hot_temp_c=g("hot_temp_c"),
            cold_temp_c=g("cold_temp_c"),
            mix_temp_c=g("mix_temp_c"),
            reheat_w=g("reheat_w"),
        )
        time = derived(
            "shower_time_min",
            "V/Q",
            volume.value / inp.mix_flow_l_min,
            Method("water.mixing", "definition"),
            mixed_volume_l=volume,
            mix_flow_l_min=g("mix_flow_l_min"),
        )
    return MixedWaterOut.of(
        hot_share_frac=share,
        hot_flow_l_min=derived(
            "hot_flow_l_min",
            "share·Q",
            share.value * inp.mix_flow_l_min,
            Method("water.mixing", "mixing"),
            hot_share_frac=share,
            mix_flow_l_min=g("mix_flow_l_min"),
        ),
        cold_flow_l_min=derived(
            "cold_flow_l_min",
            "(1 − share)·Q",
            (1 - share.value) * inp.mix_flow_l_min,
            Method("water.mixing", "mixing"),
            hot_share_frac=share,
            mix_flow_l_min=g("mix_flow_l_min"),
        ),
        endless=volume is None,
        mixed_volume_l=volume,
        shower_time_min=time,
    )


def expansion_vessel_l(
    volume_l: float, from_c: float, to_c: float, precharge_kpa: float, relief_kpa: float, atmosphere_kpa: float = ATMOSPHERE_KPA
) -> tuple[float, float | None]:
    """Litres that heating pushes out, and the vessel that takes them at 0.9 of the relief's setting; None where the precharge leaves no room (method
    water.expansion)."""
    out = volume_l * expansion(from_c, to_c)
    most = 0.9 * relief_kpa
    room = 1 - (precharge_kpa + atmosphere_kpa) / (most + atmosphere_kpa)
    return out, out / room if room > 0 else None
