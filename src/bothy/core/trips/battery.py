"""A bank as the simulator takes it, one step of it, and a simple run with a daily charge (method trips.battery-step)."""

from __future__ import annotations

from typing import Annotated, Literal, NamedTuple, Self

import numpy as np
from pydantic import BeforeValidator, Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, Whole, whole, wrong
from bothy.core.figure import Figure, derived
from bothy.core.method.sources import Method
from bothy.core.power.chemistry import CHEMISTRIES, Chemistry, ChemistryKey, SystemVoltage, capacity_factor, rest_voltage
from bothy.core.sun.geometry import Array
from bothy.core.words.says import trips_says as says

HERE = Method("trips.battery-step")
UA_W_K = 1.5
"""What a bank loses to the air round it where nothing is said (typical)."""
StepMin = Annotated[Literal[5, 10, 15, 20, 30, 60], BeforeValidator(whole)]


class TripBank(Contract):
    """A bank by its chemistry and charge; what is not given is usual of the chemistry."""

    chemistry: ChemistryKey
    capacity_ah: float = Field(gt=0, le=1e5)
    system_voltage_v: SystemVoltage = 12
    health_frac: float = Field(1, gt=0, le=1)
    round_trip_frac: float | None = Field(None, gt=0, le=1)
    resistance_mohm: float | None = Field(None, ge=0, le=1e4)
    max_charge_a: float | None = Field(None, ge=0)
    max_discharge_a: float | None = Field(None, ge=0)
    tail_current_a: float | None = Field(None, ge=0)
    taper_start_soc_frac: float | None = Field(None, ge=0, lt=1)
    soc_floor_frac: float | None = Field(None, ge=0, lt=1)
    reconnect_soc_frac: float | None = Field(None, ge=0, le=1)
    soc_ceiling_frac: float = Field(1, ge=0, le=1)
    peukert_exponent: float | None = Field(None, ge=1, le=1.5)
    self_discharge_frac_month: float | None = Field(None, ge=0, le=1)
    discharge_temp_min_c: float = Field(-20, ge=-60, le=60)
    thermal_capacity_wh_k: float | None = Field(None, gt=0)
    thermal_ua_w_k: float = Field(UA_W_K, ge=0)

    @model_validator(mode="after")
    def _levels(self) -> Self:
        if self.reconnect <= self.floor:
            key = "reconnect_soc_frac" if self.reconnect_soc_frac is not None else "soc_floor_frac"
            raise wrong(key, says("loads-come-back-at", reconnect=self.reconnect, floor=self.floor))
        if self.soc_ceiling_frac < self.reconnect:
            raise wrong("soc_ceiling_frac", says("must-not-be-below", reconnect=self.reconnect))
        return self

    @property
    def floor(self) -> float:
        """Least state of charge in the warm."""
        return self.soc_floor_frac if self.soc_floor_frac is not None else 1 - CHEMISTRIES[self.chemistry].usable_frac

    @property
    def reconnect(self) -> float:
        """State of charge at which loads come back."""
        return self.reconnect_soc_frac if self.reconnect_soc_frac is not None else min(0.95, self.floor + 0.10)

    @property
    def chem(self) -> Chemistry:
        """Its chemistry."""
        return CHEMISTRIES[self.chemistry]

    @property
    def numbers(self) -> Array:
        """The bank as the compiled step takes it; see :mod:`bothy.core.trips.cells`."""
        from bothy.core.trips import cells

        c, cap = self.chem, self.capacity_ah
        count = c.cell_count(self.system_voltage_v)
        u = count * c.cell_v

        def or_(value: float | None, usual: float) -> float:
            return value if value is not None else usual

        most = or_(self.max_charge_a, c.max_charge_c * cap)
        out = np.zeros(cells.SIZE)
        out[: cells.FACTORS] = (
            u,
            cap * self.health_frac * u,
            or_(self.resistance_mohm, c.r_k / cap * count / c.cell_count(12)) / 1000,
            cap * self.health_frac / 20,
            or_(self.round_trip_frac, c.round_trip),
            most,
            or_(self.max_discharge_a, c.max_discharge_c * cap),
            or_(self.tail_current_a, c.tail * cap),
            or_(self.taper_start_soc_frac, min(c.taper_a, max(0.5, c.taper_a - c.taper_b * most / cap))),
            self.floor,
            self.reconnect,
            self.soc_ceiling_frac,
            or_(self.peukert_exponent, c.peukert),
            or_(self.self_discharge_frac_month, c.self_month),
            self.discharge_temp_min_c,
            or_(self.thermal_capacity_wh_k, c.kg_per_kwh * cap * u / 1000 * (1100 if c.lithium else 1000) / 3600),
            self.thermal_ua_w_k,
            cap,
            {"lifepo4": cells.LIFEPO4, "nmc": cells.NMC}.get(self.chemistry, cells.LEAD),
        )
        out[cells.FACTORS :] = [capacity_factor(self.chemistry, float(t)) for t in cells.TEMPS]
        return out


class Stepped(NamedTuple):
    """After a step: energy in Wh, temperature, current (positive in) in A, power at the terminals in W, what was not taken or given in W, and Wh lost."""

    energy_wh: float
    temp_c: float
    current_a: float
    terminal_w: float
    rejected_w: float
    unserved_w: float
    loss_wh: float
    self_wh: float


def step(bank: Array, energy_wh: float, temp_c: float, env_c: float, net_w: float, dt: float) -> Stepped:
    """One step with a net power in W (positive charges), over ``dt`` hours."""
    from bothy.core.trips import cells

    leak = cells.self_discharge(bank, energy_wh, dt)
    e = energy_wh - leak
    if net_w >= 0:
        p = min(net_w, cells.charge_room_w(bank, e, temp_c, dt))
        after, amps, loss = cells.charged(bank, e, p, dt)
        terminal, rejected, unserved = p, net_w - p, 0.0
    else:
        p = min(-net_w, cells.discharge_room_w(bank, e, temp_c, dt))
        after, amps, loss = cells.discharged(bank, e, p, dt)
        amps, terminal, rejected, unserved = -amps, -p, 0.0, -net_w - p
    after = min(bank[cells.E_NOM], max(0.0, after))
    return Stepped(after, cells.warmed(bank, temp_c, env_c, loss, dt), amps, terminal, rejected, unserved, loss, leak)


class StepBatteryIn(Contract):
    bank: TripBank
    soc_frac: float = Field(ge=0, le=1)
    temp_c: float = Field(25, ge=-60, le=80)
    env_temp_c: float | None = Field(None, ge=-60, le=80)
    charge_power_w: float = Field(0, ge=0)
    load_power_w: float = Field(0, ge=0)
    step_min: float = Field(15, gt=0, le=1440)


class StepBatteryOut(Outcome):
    soc_frac: float
    temp_c: float
    current_a: float
    terminal_power_w: float
    terminal_voltage_v: float
    rejected_w: float
    unserved_w: float
    loss_wh: float
    self_discharge_wh: float
    stored_delta_wh: float
    effective_floor_soc_frac: float


def step_battery(inp: StepBatteryIn, sources: dict[str, Figure] | None = None) -> StepBatteryOut:
    """What a bank takes or gives over one step, and what is left in it. Method: trips.battery-step."""
    from bothy.core.trips import cells

    g = Given(inp, sources)
    bank = inp.bank.numbers
    u, nominal = float(bank[cells.U]), float(bank[cells.E_NOM])
    before = inp.soc_frac * nominal
    dt = inp.step_min / 60
    out = step(bank, before, inp.temp_c, inp.env_temp_c if inp.env_temp_c is not None else inp.temp_c, inp.charge_power_w - inp.load_power_w, dt)
    power = derived(
        "terminal_power_w",
        says("net-power-as-far"),
        out.terminal_w,
        HERE,
        charge_power_w=g("charge_power_w"),
        load_power_w=g("load_power_w"),
    )
    amps = derived(
        "current_a",
        "(−U + √(U² + 4·R·P))/(2·R), positive charges",
        out.current_a,
        HERE,
        reference_voltage_v=u,
        resistance_mohm=1000 * float(bank[cells.R_OHM]),
        terminal_power_w=power,
    )
    loss = derived("loss_wh", "P·Δt − energy stored, or energy taken − P·Δt", out.loss_wh, HERE, terminal_power_w=power, current_a=amps)
    leak = derived("self_discharge_wh", "E·share of a month·Δt", out.self_wh, HERE, stored_wh=before)
    stored = derived(
        "stored_delta_wh", "P·Δt − loss − self-discharge", out.energy_wh - before, HERE, terminal_power_w=power, loss_wh=loss, self_discharge_wh=leak
    )
    soc = derived(
        "soc_frac",
        "(E + ΔE)/E_nom",
        out.energy_wh / nominal,
        Method("trips.battery-step", "definition"),
        stored_wh=before,
        stored_delta_wh=stored,
        nominal_wh=nominal,
    )
    rest = inp.bank.chem.cell_count(inp.bank.system_voltage_v) * rest_voltage(inp.bank.chemistry, out.energy_wh / nominal)
    return StepBatteryOut.of(
        soc_frac=soc,
        temp_c=derived("temp_c", "T_∞ + (T − T_∞)·exp(−UA·Δt/C)", out.temp_c, HERE, loss_wh=loss),
        current_a=amps,
        terminal_power_w=power,
        terminal_voltage_v=derived(
            "terminal_voltage_v",
            "cells·rest voltage + I·R",
            rest + out.current_a * float(bank[cells.R_OHM]),
            Method("trips.battery-step", "for display"),
            soc_frac=soc,
            current_a=amps,
        ),
        rejected_w=derived("rejected_w", "offered − taken", out.rejected_w, HERE, terminal_power_w=power),
        unserved_w=derived("unserved_w", "asked − given", out.unserved_w, HERE, terminal_power_w=power),
        loss_wh=loss,
        self_discharge_wh=leak,
        stored_delta_wh=stored,
        effective_floor_soc_frac=derived(
            "effective_floor_soc_frac",
            "1 − f_T·(1 − floor)",
            float(cells.floor_at(bank, inp.temp_c)),
            Method("trips.battery-step", "cold hides charge"),
            temp_c=g("temp_c"),
            floor_frac=inp.bank.floor,
        ),
    )


class SimulateSimpleIn(Contract):
    bank: TripBank
    soc_start_frac: float = Field(1, ge=0, le=1)
    temp_c: float = Field(25, ge=-60, le=80)
    load_power_w: float = Field(ge=0)
    charge_power_w: float = Field(0, ge=0)
    charge_start_h: float = Field(8, ge=0, lt=24)
    charge_duration_h: float = Field(0, ge=0, le=24)
    days: Whole = Field(ge=1, le=366)
    step_min: StepMin = 15


class SimpleEvent(Outcome):
    time_h: float
    type: Literal["load_disconnect", "load_reconnect", "battery_full"]


class SimulateSimpleOut(Outcome):
    soc_series_frac: list[float]
    events: list[SimpleEvent]
    min_soc_frac: float
    final_soc_frac: float
    first_unserved_h: float | None
    charge_offered_wh: float
    charge_accepted_wh: float
    curtailed_wh: float
    load_demand_wh: float
    load_served_wh: float
    unserved_wh: float
    battery_loss_wh: float
    self_discharge_wh: float
    stored_delta_wh: float
    balance_wh: float


def _share(start: float, end: float, on: float, off: float) -> float:
    """Part of a step that lies in a daily window; the window may go past midnight."""
    inside = sum(max(0.0, min(end, off + shift) - max(start, on + shift)) for shift in (-24.0, 0.0, 24.0))
    return min(1.0, inside / (end - start))


def simulate_simple(inp: SimulateSimpleIn, sources: dict[str, Figure] | None = None) -> SimulateSimpleOut:
    """A constant load and one charge a day, step by step. Method: trips.simple-run."""
    from bothy.core.trips import cells

    bank = inp.bank.numbers
    nominal, dt = float(bank[cells.E_NOM]), inp.step_min / 60
    per_day = round(24 / dt)
    floor_t = float(cells.floor_at(bank, inp.temp_c))
    back_at = min(0.98, floor_t + inp.bank.reconnect - inp.bank.floor)
    e = start = inp.soc_start_frac * nominal
    on, armed = True, inp.soc_start_frac < 0.97
    series: list[float] = []
    events: list[SimpleEvent] = []
    first: float | None = None
    kept: dict[str, float] = dict.fromkeys(("offered", "curtailed", "unserved", "loss", "leak"), 0.0)
    window = [_share(i * dt, (i + 1) * dt, inp.charge_start_h, inp.charge_start_h + inp.charge_duration_h) for i in range(per_day)]
    for i in range(inp.days * per_day):
        offer = inp.charge_power_w * window[i % per_day]
        demand = inp.load_power_w if on else 0.0
        s = step(bank, e, inp.temp_c, inp.temp_c, offer - demand, dt)
        e = s.energy_wh
        missing = s.unserved_w + (inp.load_power_w - demand)
        for key, value in (("offered", offer * dt), ("curtailed", s.rejected_w * dt), ("unserved", missing * dt), ("loss", s.loss_wh), ("leak", s.self_wh)):
            kept[key] += value
        time, soc = (i + 1) * dt, e / nominal
        if missing > 1e-12 and first is None:
            first = time
        if on and s.unserved_w > 1e-9 and e <= (floor_t + 1e-9) * nominal:
            on = False
            events.append(SimpleEvent.of(time_h=time, type="load_disconnect"))
        elif not on and soc >= back_at:
            on = True
            events.append(SimpleEvent.of(time_h=time, type="load_reconnect"))
        if soc >= 0.999 and armed:
            armed = False
            events.append(SimpleEvent.of(time_h=time, type="battery_full"))
        elif soc < 0.97:
            armed = True
        series.append(soc)
    return _simple_out(inp, kept, series, events, first, e - start)


def _simple_out(
    inp: SimulateSimpleIn, kept: dict[str, float], series: list[float], events: list[SimpleEvent], first: float | None, stored_wh: float
) -> SimulateSimpleOut:
    source = Method("trips.simple-run")
    offered = derived("charge_offered_wh", "Σ offer·Δt", kept["offered"], source, charge_power_w=inp.charge_power_w)
    curtailed = derived("curtailed_wh", "Σ offered − taken", kept["curtailed"], source)
    accepted = derived(
        "charge_accepted_wh", "offered − curtailed", kept["offered"] - kept["curtailed"], source, charge_offered_wh=offered, curtailed_wh=curtailed
    )
    demand = derived("load_demand_wh", "load·time", inp.load_power_w * 24 * inp.days, source, load_power_w=inp.load_power_w)
    unserved = derived("unserved_wh", "Σ asked − given", kept["unserved"], source)
    served = derived("load_served_wh", "demand − unserved", demand.value - kept["unserved"], source, load_demand_wh=demand, unserved_wh=unserved)
    loss, leak = derived("battery_loss_wh", "Σ", kept["loss"], HERE), derived("self_discharge_wh", "Σ", kept["leak"], HERE)
    stored = derived("stored_delta_wh", "E at the end − E at the start", stored_wh, Method("trips.simple-run", "definition"))
    balance = derived(
        "balance_wh",
        "accepted − served − loss − self-discharge − stored",
        accepted.value - served.value - loss.value - leak.value - stored.value,
        Method("trips.simple-run", "must be 0"),
        charge_accepted_wh=accepted,
        load_served_wh=served,
        battery_loss_wh=loss,
        self_discharge_wh=leak,
        stored_delta_wh=stored,
    )
    return SimulateSimpleOut.of(
        soc_series_frac=series,
        events=events,
        min_soc_frac=derived("min_soc_frac", says("least-series"), min(series), source),
        final_soc_frac=derived("final_soc_frac", says("last-series"), series[-1], source),
        first_unserved_h=derived("first_unserved_h", says("end-first-step-that"), first, source) if first is not None else None,
        charge_offered_wh=offered,
        charge_accepted_wh=accepted,
        curtailed_wh=curtailed,
        load_demand_wh=demand,
        load_served_wh=served,
        unserved_wh=unserved,
        battery_loss_wh=loss,
        self_discharge_wh=leak,
        stored_delta_wh=stored,
        balance_wh=balance,
    )
