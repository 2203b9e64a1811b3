"""Whether a portable power station suffices: an all-in-one case with battery, inverter, controller and charger (method power.station)."""

from __future__ import annotations

from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.words.says import power_says as says

Limit = Literal["dc_output", "inverter", "surge", "energy", "solar_voltage", "cold_charge", "recharge"]
HERE = Method("power.station")
RULE_OF: dict[str, str] = {
    "dc_output": "power-station-dc-limit",
    "inverter": "power-station-inverter-limit",
    "surge": "power-station-inverter-limit",
    "energy": "power-station-energy",
    "solar_voltage": "power-station-solar-voltage",
    "cold_charge": "power-charge-below-freezing",
    "recharge": "power-station-recharge",
}


class Station(Contract):
    energy_wh: float = Field(gt=0, le=1e5)
    usable_frac: float = Field(0.90, gt=0, le=1)
    dc_limit_w: float = Field(ge=0, le=10000)
    dc_efficiency_frac: float = Field(0.92, gt=0, le=1)
    dc_standby_w: float = Field(5, ge=0, le=200)
    inverter_limit_w: float = Field(ge=0, le=20000)
    inverter_surge_w: float | None = Field(None, ge=0, le=50000)
    inverter_efficiency_frac: float = Field(0.87, gt=0, le=1)
    inverter_idle_w: float = Field(20, ge=0, le=500)
    solar_max_power_w: float = Field(ge=0, le=20000)
    solar_max_voltage_v: float | None = Field(None, gt=0, le=1000)
    solar_max_current_a: float | None = Field(None, gt=0, le=200)
    car_input_w: float = Field(0, ge=0, le=10000)
    shore_input_w: float = Field(0, ge=0, le=20000)
    charge_min_temp_c: float = Field(0, ge=-40, le=30)
    charge_efficiency_frac: float = Field(0.90, gt=0, le=1)


class StationNeeds(Contract):
    dc_energy_wh: float = Field(0, ge=0, le=1e6)
    ac_energy_wh: float = Field(0, ge=0, le=1e6)
    dc_peak_w: float = Field(0, ge=0, le=1e5)
    ac_peak_w: float = Field(0, ge=0, le=1e5)
    ac_surge_w: float | None = Field(None, ge=0, le=2e5)
    dc_on_h: float | None = Field(None, ge=0, le=24)
    ac_on_h: float | None = Field(None, ge=0, le=24)
    autonomy_days: float = Field(1, gt=0, le=60)

    @model_validator(mode="after")
    def _surge(self) -> Self:
        if self.ac_surge_w is not None and self.ac_surge_w < self.ac_peak_w:
            raise wrong("ac_surge_w", says("must-not-be-below"))
        return self


class StationSolar(Contract):
    power_w: float = Field(gt=0, le=1e5)
    energy_wh: float = Field(ge=0, le=1e6)
    voc_cold_v: float | None = Field(None, gt=0, le=1000)
    isc_a: float | None = Field(None, gt=0, le=500)


class PowerStationCheckIn(Contract):
    station: Station
    needs: StationNeeds
    solar: StationSolar | None = None
    drive_h: float = Field(0, ge=0, le=24)
    shore_h: float = Field(0, ge=0, le=24)
    min_temp_c: float = Field(10, ge=-60, le=50)


class PowerStationCheckOut(Outcome):
    daily_energy_wh: float
    self_consumption_wh: float
    usable_energy_wh: float
    autonomy_days: float | None
    dc_headroom_frac: float | None
    inverter_headroom_frac: float | None
    solar_power_used_w: float
    solar_energy_wh: float
    input_energy_wh: float
    balance_wh: float
    sufficient: bool
    limits: list[Limit]
    rules: list[str]


def _part_used(s: Station, p: StationSolar) -> float:
    """Part of the panels' power that the input takes."""
    parts = [1.0, s.solar_max_power_w / p.power_w]
    if s.solar_max_current_a is not None and p.isc_a is not None:
        parts.append(s.solar_max_current_a / p.isc_a)
    return min(parts)


def power_station_check(inp: PowerStationCheckIn, sources: dict[str, Figure] | None = None) -> PowerStationCheckOut:
    """Energy of a day with the station's own use, what comes in, and which limits fail. Method: power.station."""
    g = Given(inp, sources)
    s, n = inp.station, inp.needs
    dc_on = n.dc_on_h if n.dc_on_h is not None else 24.0 if n.dc_energy_wh > 0 else 0.0
    ac_on = n.ac_on_h if n.ac_on_h is not None else 24.0 if n.ac_energy_wh > 0 else 0.0
    own = derived(
        "self_consumption_wh",
        "standby·hours + idle·hours",
        s.dc_standby_w * dc_on + s.inverter_idle_w * ac_on,
        HERE,
        dc_standby_w=s.dc_standby_w,
        dc_on_h=dc_on,
        inverter_idle_w=s.inverter_idle_w,
        ac_on_h=ac_on,
    )
    day = derived(
        "daily_energy_wh",
        "E_dc/η_dc + E_ac/η_ac + own",
        n.dc_energy_wh / s.dc_efficiency_frac + n.ac_energy_wh / s.inverter_efficiency_frac + own.value,
        HERE,
        dc_energy_wh=n.dc_energy_wh,
        dc_efficiency_frac=s.dc_efficiency_frac,
        ac_energy_wh=n.ac_energy_wh,
        inverter_efficiency_frac=s.inverter_efficiency_frac,
        self_consumption_wh=own,
    )
    usable = derived("usable_energy_wh", "energy·usable part", s.energy_wh * s.usable_frac, HERE, energy_wh=s.energy_wh, usable_frac=s.usable_frac)
    lasts = derived("autonomy_days", "usable/day", usable.value / day.value, HERE, usable_energy_wh=usable, daily_energy_wh=day) if day.value > 0 else None
    over = (
        inp.solar is not None and s.solar_max_voltage_v is not None and inp.solar.voc_cold_v is not None and inp.solar.voc_cold_v > s.solar_max_voltage_v + EPS
    )
    part = _part_used(s, inp.solar) if inp.solar is not None and not over else 0.0
    sun_w, sun_wh = (inp.solar.power_w * part, inp.solar.energy_wh * part) if inp.solar is not None else (0.0, 0.0)
    used = derived(
        "solar_power_used_w",
        "min(1, power limit, current limit)·power",
        sun_w,
        HERE,
        power_w=inp.solar.power_w if inp.solar else 0.0,
        solar_max_power_w=s.solar_max_power_w,
    )
    sun = derived("solar_energy_wh", says("same-part-energy"), sun_wh, HERE, energy_wh=inp.solar.energy_wh if inp.solar else 0.0, solar_power_used_w=used)
    cold = inp.min_temp_c < s.charge_min_temp_c - EPS
    comes = 0.0 if cold else s.charge_efficiency_frac * (sun_wh + s.car_input_w * inp.drive_h + s.shore_input_w * inp.shore_h)
    income = derived(
        "input_energy_wh",
        says("too-cold-to-charge") if cold else "η·(solar + car·hours + shore·hours)",
        comes,
        HERE,
        solar_energy_wh=sun,
        car_input_w=s.car_input_w,
        drive_h=g("drive_h"),
        shore_input_w=s.shore_input_w,
        shore_h=g("shore_h"),
    )
    surge, most_surge = n.ac_surge_w if n.ac_surge_w is not None else n.ac_peak_w, s.inverter_surge_w if s.inverter_surge_w is not None else s.inverter_limit_w
    fails: dict[Limit, bool] = {
        "dc_output": n.dc_peak_w > s.dc_limit_w + EPS,
        "inverter": n.ac_peak_w > s.inverter_limit_w + EPS,
        "surge": surge > most_surge + EPS,
        "energy": lasts is not None and lasts.value < n.autonomy_days - EPS,
        "solar_voltage": over,
        "cold_charge": cold,
        "recharge": comes < day.value - EPS,
    }
    limits = [k for k, failed in fails.items() if failed]
    rules = {RULE_OF[k] for k in limits} | ({"power-station-solar-clipped"} if 0 < part < 1 - EPS else set())

    def room(key: str, peak: float, limit: float) -> Figure | None:
        return derived(key, "1 − peak/limit", 1 - peak / limit, HERE, peak_w=peak, limit_w=limit) if limit > 0 else None

    return PowerStationCheckOut.of(
        daily_energy_wh=day,
        self_consumption_wh=own,
        usable_energy_wh=usable,
        autonomy_days=lasts,
        dc_headroom_frac=room("dc_headroom_frac", n.dc_peak_w, s.dc_limit_w),
        inverter_headroom_frac=room("inverter_headroom_frac", n.ac_peak_w, s.inverter_limit_w),
        solar_power_used_w=used,
        solar_energy_wh=sun,
        input_energy_wh=income,
        balance_wh=derived("balance_wh", "input − day", comes - day.value, Method("power.station", "definition"), input_energy_wh=income, daily_energy_wh=day),
        sufficient=not limits,
        limits=limits,
        rules=sorted(rules),
    )
