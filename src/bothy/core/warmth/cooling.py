"""Heat that comes in, what settles without cooling, and an air conditioner on the bank (method warmth.cooling)."""

from __future__ import annotations

from typing import Any, Literal, NamedTuple

from pydantic import BaseModel, Field

from bothy.core.constants import PERSON_W, SEA_PA
from bothy.core.contract import Contract, Given, Outcome, Whole, quick
from bothy.core.figure import Figure, derived, formula
from bothy.core.method.sources import Method
from bothy.core.warmth.air import PER_FLOW, RHO, humidity_ratio_g, saturation_pa
from bothy.core.words.says import warmth_says as says

H_OUT = 17.0
SKY_W = 0.9 * 63
LATENT = 2.45e6
BTU_H = 3.412142


@formula(says("sol-air-temperature"), "T_e + (α·I − 0.9·63·[horizontal])/h_o", unit="°C", source=Method("warmth.cooling"))
def sol_air(outdoor_temp_c: float, absorptance_frac: float, irradiance_w_m2: float, horizontal: float, h_out_w_m2k: float) -> float:
    return outdoor_temp_c + (absorptance_frac * irradiance_w_m2 - SKY_W * horizontal) / h_out_w_m2k


class OpaqueIn(Contract):
    name: str = Field(min_length=1, max_length=200)
    area_m2: float = Field(ge=0, le=500)
    u_value_w_m2k: float = Field(gt=0, le=10)
    irradiance_w_m2: float = Field(0, ge=0, le=1400)
    absorptance_frac: float = Field(0.6, ge=0, le=1)
    horizontal: bool = False


class GlazingIn(Contract):
    name: str = Field("", max_length=200)
    area_m2: float = Field(ge=0, le=500)
    u_value_w_m2k: float = Field(gt=0, le=10)
    irradiance_w_m2: float = Field(0, ge=0, le=1400)
    shgc_frac: float = Field(0.7, ge=0, le=1)
    shade_transmit_frac: float = Field(1, ge=0, le=1)


class CoolingLoadIn(Contract):
    indoor_temp_c: float = Field(25, ge=10, le=40)
    outdoor_temp_c: float = Field(ge=-20, le=60)
    indoor_rh_frac: float = Field(0.5, gt=0, le=1)
    outdoor_rh_frac: float = Field(0.4, gt=0, le=1)
    h_out_w_m2k: float = Field(H_OUT, gt=0, le=100)
    people_count: Whole = Field(2, ge=0, le=100)
    person_sensible_w: float = Field(PERSON_W, ge=0, le=500)
    person_latent_w: float = Field(45, ge=0, le=500)
    appliances_w: float = Field(0, ge=0, le=20000)
    flow_m3_h: float = Field(0, ge=0, le=10000)
    margin_frac: float = Field(0.15, ge=0, le=2)
    opaque: list[OpaqueIn] = Field([], max_length=400)
    glazing: list[GlazingIn] = Field([], max_length=400)


class OpaqueRow(BaseModel):
    name: str
    sol_air_temp_c: float
    heat_w: float


class CoolingLoadOut(Outcome):
    opaque: list[OpaqueRow]
    opaque_w: float
    glass_solar_w: float
    glass_conduction_w: float
    people_sensible_w: float
    appliances_w: float
    air_sensible_w: float
    sensible_w: float
    latent_w: float
    total_w: float
    total_btu_h: float
    needed_w: float
    free_running_temp_c: float | None


class CoolingSums(NamedTuple):
    """What comes in, in W, surface by surface and by kind; how warm it gets without cooling, and the W/K that carry it."""

    opaque: list[tuple[str, float, float]]
    opaque_w: float
    sun_w: float
    glass_ua_w_k: float
    people_w: float
    air_w: float
    latent_w: float
    sensible_w: float
    total_w: float
    free_c: float | None
    carried_w_k: float


def cooling_sums(inp: CoolingLoadIn) -> CoolingSums:
    """The sums of :func:`cooling_load` as plain numbers, for the hours of a day. ``opaque`` has name, sol-air temperature in °C and W of each surface."""
    ti, te = inp.indoor_temp_c, inp.outdoor_temp_c
    rows, driven, ua = [], 0.0, 0.0
    for o in inp.opaque:
        t = sol_air.raw(te, o.absorptance_frac, o.irradiance_w_m2, float(o.horizontal), inp.h_out_w_m2k)
        k = o.u_value_w_m2k * o.area_m2
        rows.append((o.name, t, k * (t - ti)))
        driven += k * (t - te)
        ua += k
    opaque = sum(w for _, _, w in rows)
    sun = sum(x.area_m2 * x.irradiance_w_m2 * x.shgc_frac * x.shade_transmit_frac for x in inp.glazing)
    glass_ua = sum(x.u_value_w_m2k * x.area_m2 for x in inp.glazing)
    people = inp.people_count * inp.person_sensible_w
    air = PER_FLOW * inp.flow_m3_h * (te - ti)
    sensible = sum((opaque, sun, glass_ua * (te - ti), people, inp.appliances_w, air))
    we, wi = (humidity_ratio_g.raw(rh * saturation_pa(t), SEA_PA) / 1000 for rh, t in ((inp.outdoor_rh_frac, te), (inp.indoor_rh_frac, ti)))
    wet = inp.people_count * inp.person_latent_w + RHO * inp.flow_m3_h / 3600 * LATENT * max(0.0, we - wi)
    carried = ua + glass_ua + PER_FLOW * inp.flow_m3_h
    free = te + (driven + sun + people + inp.appliances_w) / carried if carried > 0 else None
    return CoolingSums(rows, opaque, sun, glass_ua, people, air, wet, sensible, max(0.0, sensible) + wet, free, carried)


def cooling_load(inp: CoolingLoadIn, sources: dict[str, Figure] | None = None) -> CoolingLoadOut:
    """What an air conditioner has to take away, and how warm it gets without one. Method: warmth.cooling."""
    g = Given(inp, sources)
    s = cooling_sums(inp)
    here, dt = Method("warmth.cooling"), inp.outdoor_temp_c - inp.indoor_temp_c
    rows = [quick(OpaqueRow, name=n, sol_air_temp_c=t, heat_w=w) for n, t, w in s.opaque]
    opaque = derived(
        "opaque_w", "Σ U·A·(T_sa − T_i)", s.opaque_w, Method("warmth.cooling", "sol-air method"), **{f"surface_{i}_w": r.heat_w for i, r in enumerate(rows, 1)}
    )
    sun = derived("glass_solar_w", "Σ A·I·SHGC·shade", s.sun_w, here)
    glass = derived("glass_conduction_w", "Σ U·A·(T_e − T_i)", s.glass_ua_w_k * dt, Method("warmth.cooling", "heat flow"), ua_w_k=s.glass_ua_w_k)
    people = derived("people_sensible_w", "n·W", s.people_w, here, people_count=g("people_count"), person_sensible_w=g("person_sensible_w"))
    air = derived(
        "air_sensible_w",
        "0.33533·Q·(T_e − T_i)",
        s.air_w,
        Method("warmth.air"),
        flow_m3_h=g("flow_m3_h"),
        outdoor_temp_c=g("outdoor_temp_c"),
        indoor_temp_c=g("indoor_temp_c"),
    )
    parts: dict[str, Any] = {
        "opaque_w": opaque,
        "glass_solar_w": sun,
        "glass_conduction_w": glass,
        "people_sensible_w": people,
        "appliances_w": g("appliances_w"),
        "air_sensible_w": air,
    }
    sensible = derived("sensible_w", "Σ", s.sensible_w, Method("warmth.cooling", "heat that warms"), **parts)
    latent = derived(
        "latent_w",
        "n·W + ρ·Q/3600·2.45·10⁶·max(0, w_e − w_i)",
        s.latent_w,
        Method("warmth.cooling", "moisture to take out"),
        people_count=g("people_count"),
        flow_m3_h=g("flow_m3_h"),
    )
    total = derived("total_w", "max(0, sensible) + latent", s.total_w, here, sensible_w=sensible, latent_w=latent)
    return CoolingLoadOut.of(
        opaque=rows,
        opaque_w=opaque,
        glass_solar_w=sun,
        glass_conduction_w=glass,
        people_sensible_w=people,
        appliances_w=g("appliances_w"),
        air_sensible_w=air,
        sensible_w=sensible,
        latent_w=latent,
        total_w=total,
        total_btu_h=derived("total_btu_h", "W·3.412", total.value * BTU_H, Method("warmth.cooling", "units"), total_w=total),
        needed_w=derived("needed_w", "total·(1+margin)", total.value * (1 + inp.margin_frac), here, total_w=total, margin_frac=g("margin_frac")),
        free_running_temp_c=derived(
            "free_running_temp_c",
            "T_e + (ΣUA·(T_sa − T_e) + sun + people + appliances)/(ΣUA + 0.33533·Q)",
            s.free_c,
            Method("warmth.cooling", "without refrigeration"),
            glass_solar_w=sun,
            ua_w_k=s.carried_w_k,
        )
        if s.free_c is not None
        else None,
    )


AcSupply = Literal["native_12v", "native_24v", "native_48v", "inverter"]
BANK_V: dict[str, float] = {"native_12v": 12.8, "native_24v": 25.6, "native_48v": 51.2, "inverter": 12.8}
START = {"fixed": 5.0, "variable": 1.2}


class AcBatteryHoursIn(Contract):
    cooling_load_w: float = Field(ge=0, le=50000)
    capacity_w: float = Field(gt=0, le=50000)
    eer: float = Field(2.6, gt=0, le=10)
    supply: AcSupply
    battery_voltage_v: float | None = Field(None, gt=0, le=100)
    conversion_efficiency_frac: float | None = Field(None, gt=0, le=1)
    inverter_idle_w: float | None = Field(None, ge=0, le=500)
    fan_power_w: float = Field(20, ge=0, le=1000)
    battery_energy_wh: float = Field(gt=0, le=1e6)
    usable_frac: float = Field(0.8, gt=0, le=1)
    solar_power_w: float = Field(0, ge=0, le=50000)
    other_load_w: float = Field(0, ge=0, le=50000)
    exhaust_hose_flow_m3_h: float = Field(0, ge=0, le=2000)
    indoor_temp_c: float = Field(25, ge=10, le=40)
    outdoor_temp_c: float = Field(35, ge=-20, le=60)
    compressor: Literal["fixed", "variable"] = "variable"
    start_multiple: float | None = Field(None, ge=1, le=20)
    inverter_surge_w: float | None = Field(None, gt=0, le=100000)


class AcBatteryHoursOut(Outcome):
    hose_penalty_w: float
    net_capacity_w: float
    duty_frac: float
    unmet_w: float
    run_power_w: float
    mean_power_w: float
    battery_draw_w: float
    net_draw_w: float
    run_current_a: float
    time_h: float | None
    start_power_w: float
    start_ok: bool | None


def _draws(inp: AcBatteryHoursIn, g: Given, duty: float, run: Figure, eta: Figure, idle: Figure) -> tuple[Figure, Figure, Figure]:
    """Mean power of the cooler, what the bank gives for all, and what of it the sun doesn't bring, W."""
    mean = derived(
        "mean_power_w",
        "duty·run + (1−duty)·fan",
        duty * run.value + (1 - duty) * inp.fan_power_w,
        Method("warmth.cooling"),
        duty_frac=duty,
        run_power_w=run,
        fan_power_w=g("fan_power_w"),
    )
    draw = derived(
        "battery_draw_w",
        "mean/η + idle + other",
        mean.value / eta.value + idle.value + inp.other_load_w,
        Method("warmth.cooling"),
        mean_power_w=mean,
        efficiency_frac=eta,
        inverter_idle_w=idle,
        other_load_w=g("other_load_w"),
    )
    falls = derived(
        "net_draw_w",
        "draw − sun",
        draw.value - inp.solar_power_w,
        Method("warmth.cooling", "heat of the day brings sun too"),
        battery_draw_w=draw,
        solar_power_w=g("solar_power_w"),
    )
    return mean, draw, falls


def ac_battery_hours(inp: AcBatteryHoursIn, sources: dict[str, Figure] | None = None) -> AcBatteryHoursOut:
    """How long a bank carries an air conditioner, and whether it starts. Method: warmth.cooling."""
    g = Given(inp, sources)
    native = inp.supply != "inverter"
    volts = g("battery_voltage_v", BANK_V[inp.supply], says("usual-for-this-supply"))
    eta = g("conversion_efficiency_frac", 0.97 if native else 0.88, says("usual-for-this-supply"))
    idle = g("inverter_idle_w", 0.0 if native else 15.0, says("usual-for-this-supply"))
    hose = derived(
        "hose_penalty_w",
        "0.33533·Q_hose·max(0, T_e − T_i)",
        PER_FLOW * inp.exhaust_hose_flow_m3_h * max(0.0, inp.outdoor_temp_c - inp.indoor_temp_c),
        Method("warmth.cooling", "warm air drawn in for what is blown out"),
        exhaust_hose_flow_m3_h=g("exhaust_hose_flow_m3_h"),
        outdoor_temp_c=g("outdoor_temp_c"),
        indoor_temp_c=g("indoor_temp_c"),
    )
    net = derived(
        "net_capacity_w",
        "max(0, capacity − penalty)",
        max(0.0, inp.capacity_w - hose.value),
        Method("warmth.cooling"),
        capacity_w=g("capacity_w"),
        hose_penalty_w=hose,
    )
    duty = min(1.0, inp.cooling_load_w / net.value) if net.value > 0 else 1.0
    run = derived("run_power_w", "capacity/EER", inp.capacity_w / inp.eer, Method("warmth.cooling", "definition"), capacity_w=g("capacity_w"), eer=g("eer"))
    mean, draw, falls = _draws(inp, g, duty, run, eta, idle)
    start = run.value * (inp.start_multiple if inp.start_multiple is not None else START[inp.compressor])
    hours = (
        derived(
            "time_h",
            "energy·usable/(draw − sun)",
            inp.battery_energy_wh * inp.usable_frac / falls.value,
            Method("warmth.cooling", "definition"),
            battery_energy_wh=g("battery_energy_wh"),
            usable_frac=g("usable_frac"),
            net_draw_w=falls,
        )
        if falls.value > 0
        else None
    )
    return AcBatteryHoursOut.of(
        hose_penalty_w=hose,
        net_capacity_w=net,
        duty_frac=derived(
            "duty_frac", "min(1, load/net)", duty, Method("warmth.cooling", "definition"), cooling_load_w=g("cooling_load_w"), net_capacity_w=net
        ),
        unmet_w=derived(
            "unmet_w",
            "max(0, load − net)",
            max(0.0, inp.cooling_load_w - net.value),
            Method("warmth.cooling", "definition"),
            cooling_load_w=g("cooling_load_w"),
            net_capacity_w=net,
        ),
        run_power_w=run,
        mean_power_w=mean,
        battery_draw_w=draw,
        net_draw_w=falls,
        run_current_a=derived(
            "run_current_a",
            "(run/η + idle)/U",
            (run.value / eta.value + idle.value) / volts.value,
            Method("warmth.cooling", "Ohm's law"),
            run_power_w=run,
            efficiency_frac=eta,
            battery_voltage_v=volts,
        ),
        time_h=hours,
        start_power_w=derived("start_power_w", "run·start multiple", start, Method("warmth.cooling"), run_power_w=run),
        start_ok=None if native or inp.inverter_surge_w is None else start <= inp.inverter_surge_w,
    )
