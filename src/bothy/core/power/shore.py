"""Shore and generator charging: what the inlet leaves, and how long it takes (method power.shore-charge)."""

from __future__ import annotations

import math
from typing import Any, Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula, given, pick
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.power.chemistry import CHEMISTRIES, ChemistryKey, SystemVoltage, charge_rate
from bothy.core.region import REGIONS, RegionKey
from bothy.core.words.says import power_says as says


class ShoreChargeTimeIn(Contract):
    chemistry: ChemistryKey
    capacity_ah: float = Field(gt=0, le=20000)
    system_voltage_v: SystemVoltage = 12
    soc_start_frac: float = Field(0.2, ge=0, le=1)
    soc_target_frac: float = Field(1, ge=0, le=1)
    charger_current_a: float = Field(gt=0, le=2000)
    max_charge_a: float | None = Field(None, gt=0, le=5000)
    bank_temp_c: float = Field(20, ge=-40, le=70)
    heater_power_w: float = Field(0, ge=0, le=5000)
    load_current_a: float = Field(0, ge=0, le=2000)
    charger_efficiency_frac: float = Field(0.90, ge=0.5, le=1)
    charger_power_factor: float = Field(0.95, ge=0.3, le=1)
    region: RegionKey
    inlet_current_a: float | None = Field(None, gt=0, le=125)
    supply_current_a: float | None = Field(None, gt=0, le=125)
    supply_power_w: float | None = Field(None, gt=0, le=1e5)
    continuous_frac: float | None = Field(None, gt=0, le=1)
    ac_load_w: float = Field(0, ge=0, le=1e5)

    @model_validator(mode="after")
    def _check(self) -> Self:
        if self.soc_target_frac <= self.soc_start_frac + 1e-12:
            raise wrong("soc_target_frac", says("must-be-above-soc", soc_start_frac=self.soc_start_frac))
        return self


class ShoreChargeTimeOut(Outcome):
    supply_limit_w: float
    overload_w: float
    available_w: float
    inlet_charge_limit_a: float
    bank_limit_a: float
    bulk_current_a: float | None
    limited_by: Literal["bank", "inlet", "charger"] | None
    status: Literal["ok", "blocked_cold", "blocked_hot", "no_surplus"]
    soc_taper_frac: float | None
    warm_time_h: float
    bulk_time_h: float | None
    taper_time_h: float | None
    time_h: float | None
    charger_ac_power_w: float | None
    energy_ac_wh: float | None
    rules: list[str]


S315 = Method("power.shore-charge")


@formula(says("what-supply-gives"), "S = U·I·continuous", unit="W", source=Method("power.shore-charge"))
def supply_limit(mains_voltage_v: float, current_a: float, continuous_frac: float) -> float:
    return mains_voltage_v * current_a * continuous_frac


@formula(says("charge-current-inlet-leaves"), "available·pf·η/U_abs", unit="A", source=Method("power.shore-charge"))
def inlet_charge_limit(available_w: float, power_factor: float, efficiency_frac: float, absorption_v: float) -> float:
    return available_w * power_factor * efficiency_frac / absorption_v


@formula(says("time-full-current"), "C/η_q·(SoC_t − SoC₀)/I", unit="h", source=Method("power.shore-charge"))
def bulk_time(capacity_ah: float, coulomb_frac: float, soc_gain_frac: float, current_a: float) -> float:
    return capacity_ah / coulomb_frac * soc_gain_frac / current_a


def taper_time(c_ah: float, coulomb: float, s0: float, s1: float, s_t: float, i0: float, tail: float) -> float:
    """Hours of the constant-voltage phase: exponential until the tail current, then steady."""
    i_tail = min(i0, tail * c_ah)
    s_x = 1 - (1 - s_t) * i_tail / i0
    lo, hi = max(s0, s_t), min(s1, s_x)
    hours = 0.0
    if hi > lo:
        hours += c_ah / coulomb * (1 - s_t) / i0 * math.log((1 - lo) / (1 - hi))
    rest = s1 - max(s0, s_x)
    return hours + (c_ah / coulomb * rest / i_tail if rest > 0 else 0.0)


def _charged(inp: ShoreChargeTimeIn, g: Given, net: float, bank_fig: Figure, warm_fig: Figure, u_abs: float) -> dict[str, Any]:
    """Bulk and taper with the current that is left, A, and the energy from the socket."""
    chem = CHEMISTRIES[inp.chemistry]
    i0 = pick(
        says("charge-current"),
        says("smaller-what-charger-or"),
        min(net, bank_fig.value),
        "A",
        S315,
        net_current_a=net,
        bank_limit_a=bank_fig,
    )
    c = inp.capacity_ah
    s_t = min(max(chem.taper_a - chem.taper_b * i0.value / c, 0.5), chem.taper_a)
    s0, s1 = inp.soc_start_frac, inp.soc_target_frac
    bulk = bulk_time(g("capacity_ah"), chem.coulomb, max(0.0, min(s1, s_t) - s0), i0)
    taper_fig = derived("soc_taper_frac", "a − b·I/C, at least 0.5", s_t, Method("power.shore-charge", chem.name), current_a=i0, capacity_ah=g("capacity_ah"))
    taper = taper_time(c, chem.coulomb, s0, s1, s_t, i0.value, chem.tail)
    taper_h = derived("taper_time_h", says("exponential-to-tail-current"), taper, S315, soc_taper_frac=taper_fig, current_a=i0)
    eff = inp.charger_efficiency_frac
    energy = u_abs / eff * (c / chem.coulomb * (s1 - s0) + inp.load_current_a * (bulk.value + taper)) + inp.heater_power_w * warm_fig.value
    time = pick(
        says("charging-time"),
        "warming + bulk + taper",
        warm_fig.value + bulk.value + taper,
        "h",
        Method("power.shore-charge", "model, typical within 20 %"),
        warm_time_h=warm_fig,
        bulk_time_h=bulk,
        taper_time_h=taper_h,
    )
    return {
        "bulk_current_a": i0,
        "soc_taper_frac": taper_fig,
        "bulk_time_h": bulk,
        "taper_time_h": taper_h,
        "time_h": time,
        "charger_ac_power_w": derived(
            "charger_ac_power_w",
            "(I + loads)·U_abs/η",
            (i0.value + inp.load_current_a) * u_abs / eff,
            S315,
            current_a=i0,
            load_current_a=g("load_current_a"),
            charger_efficiency_frac=g("charger_efficiency_frac"),
        ),
        "energy_ac_wh": derived("energy_ac_wh", "U_abs/η·(charge stored + loads·time) + heater", energy, S315, time_h=time),
    }


def shore_charge_time(inp: ShoreChargeTimeIn, sources: dict[str, Figure] | None = None) -> ShoreChargeTimeOut:
    """Charging from the mains: what limits it, whether the cold forbids it, how long it takes. Method: power.shore-charge."""
    g = Given(inp, sources)
    chem = CHEMISTRIES[inp.chemistry]
    region = REGIONS[inp.region]
    cells = chem.cell_count(inp.system_voltage_v)
    u_abs = cells * chem.absorption
    inlet = inp.inlet_current_a or region.inlet_a
    plug = given("supply_current_a", min(inlet, inp.supply_current_a or inlet), "input", says("smaller-inlet-and-supply"))
    limit = supply_limit(region.mains_v, plug, inp.continuous_frac or region.continuous_frac)
    if inp.supply_power_w is not None and inp.supply_power_w < limit.value:
        limit = g("supply_power_w")
    overload = max(0.0, inp.ac_load_w - limit.value)
    left = derived(
        "available_w", "max(0, supply − other mains loads)", max(0.0, limit.value - inp.ac_load_w), S315, supply_limit_w=limit, ac_load_w=g("ac_load_w")
    )
    by_inlet = inlet_charge_limit(left, g("charger_power_factor"), g("charger_efficiency_frac"), given("absorption_v", u_abs, "table", chem.name))
    full_a = inp.max_charge_a or chem.max_charge_c * inp.capacity_ah
    temp = inp.bank_temp_c
    heated = inp.heater_power_w > 0 and temp < 0 and chem.lithium
    bank_temp = 5.0 if heated else temp
    bank_a = charge_rate(inp.chemistry, bank_temp, full_a / inp.capacity_ah) * inp.capacity_ah
    volts = cells * chem.cell_v
    warm = (chem.kg_per_kwh * inp.capacity_ah * volts / 1000 * 1100 * (5 - temp) / (inp.heater_power_w * 3600)) if heated else 0.0
    bank_fig = derived("bank_limit_a", "largest charge × what its temperature allows", bank_a, Method("power.cold"), max_charge_a=full_a, bank_temp_c=bank_temp)
    warm_fig = derived(
        "warm_time_h",
        "m·c·(5 − T)/P while the heater warms the cells",
        warm,
        Method("power.cold", "1100 J/(kg·K)") + OwnChoice("typical"),
        heater_power_w=inp.heater_power_w,
        bank_temp_c=temp,
    )
    net = min(inp.charger_current_a, by_inlet.value) - inp.load_current_a
    rules: set[str] = set()
    if overload > 1e-9:
        rules.add("power-shore-overload")
    if inp.charger_current_a > full_a + 1e-9:
        rules.add("power-charger-over-bank")
    if not chem.lithium and inp.charger_current_a < 0.10 * inp.capacity_ah - 1e-9:
        rules.add("power-charger-small")
    common: dict[str, Any] = {
        "supply_limit_w": limit,
        "available_w": left,
        "inlet_charge_limit_a": by_inlet,
        "bank_limit_a": bank_fig,
        "warm_time_h": warm_fig,
        "overload_w": derived("overload_w", "max(0, other mains loads − supply)", overload, S315, ac_load_w=g("ac_load_w"), supply_limit_w=limit),
    }
    nothing = dict.fromkeys(("bulk_current_a", "limited_by", "soc_taper_frac", "bulk_time_h", "taper_time_h", "time_h", "charger_ac_power_w", "energy_ac_wh"))
    status = "ok"
    if bank_a <= 0:
        status = "blocked_cold" if temp < 20 else "blocked_hot"
        cold = chem.lithium and temp < 0
        rules.add("power-charge-below-freezing" if cold else "power-charge-temperature")
    elif net <= 1e-9:
        status = "no_surplus"
        rules.add("power-charge-no-surplus")
    if status != "ok":
        return ShoreChargeTimeOut.of(**{**nothing, **common, "status": status, "rules": sorted(rules)})
    limited = "bank" if bank_a < net - 1e-9 else "inlet" if by_inlet.value < inp.charger_current_a - 1e-9 else "charger"
    out = _charged(inp, g, net, bank_fig, warm_fig, u_abs)
    return ShoreChargeTimeOut.of(**{**nothing, **common} | out | {"limited_by": limited, "status": "ok", "rules": sorted(rules)})
