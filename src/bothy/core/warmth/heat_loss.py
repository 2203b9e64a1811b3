"""Heat that leaves, buffer spaces, and how fast it warms and cools (EN 12831-1 method; method warmth.heat-loss)."""

from __future__ import annotations

import math
from typing import Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, formula, label_of
from bothy.core.method.sources import Method, Standard
from bothy.core.warmth.air import CP, PER_FLOW, RHO, density_ratio
from bothy.core.words.says import warmth_says as says


@formula(says("through-surfaces"), "Σ U'·A·b·(T_i − T_e)", unit="W", source=Method("warmth.heat-loss") + Standard("EN 12831-1"))
def transmission(ua_surfaces_w_k: float, indoor_temp_c: float, outdoor_temp_c: float) -> float:
    return ua_surfaces_w_k * (indoor_temp_c - outdoor_temp_c)


@formula(says("air-2"), "ρ·c_p·σ/3600·Q·(T_i − T_e)", unit="W", source=Method("warmth.heat-loss"))
def by_air(flow_m3_h: float, density_frac: float, indoor_temp_c: float, outdoor_temp_c: float) -> float:
    return PER_FLOW * density_frac * flow_m3_h * (indoor_temp_c - outdoor_temp_c)


class LossSurface(Contract):
    name: str = Field(min_length=1, max_length=200)
    area_m2: float = Field(ge=0, le=500)
    u_value_w_m2k: float = Field(gt=0, le=10)
    extra_r_m2k_w: float = Field(0, ge=0, le=20)
    b_frac: float = Field(1, ge=0, le=1)
    zone: str = Field("living", min_length=1, max_length=100)

    @property
    def u_effective(self) -> float:
        """W/(m²K) with what is put before it."""
        return 1 / (1 / self.u_value_w_m2k + self.extra_r_m2k_w)


class HeatLossIn(Contract):
    indoor_temp_c: float = Field(20, ge=-40, le=60)
    outdoor_temp_c: float = Field(ge=-60, le=60)
    volume_m3: float = Field(0, ge=0, le=500)
    ach_per_h: float = Field(0.5, ge=0, le=100)
    vent_flow_m3_h: float = Field(0, ge=0, le=10000)
    altitude_m: float = Field(0, ge=-100, le=5000)
    margin_frac: float = Field(0.2, ge=0, le=2)
    internal_gains_w: float = Field(0, ge=0, le=20000)
    surfaces: list[LossSurface] = Field(min_length=1, max_length=400)

    @model_validator(mode="after")
    def _sense(self) -> Self:
        if self.outdoor_temp_c >= self.indoor_temp_c:
            raise wrong("outdoor_temp_c", says("must-be-below-indoor"))
        if sum(s.area_m2 for s in self.surfaces) <= 0:
            raise wrong("surfaces", says("must-have-some-area"))
        return self


class LossRow(BaseModel):
    name: str
    u_effective_w_m2k: float
    heat_w: float
    share_frac: float


class ZoneRow(BaseModel):
    zone: str
    heat_w: float


class HeatLossOut(Outcome):
    surfaces: list[LossRow]
    transmission_w: float
    infiltration_w: float
    ventilation_w: float
    heat_loss_w: float
    ua_w_k: float
    mean_u_w_m2k: float
    largest_surface: str
    net_heat_w: float
    design_heat_w: float
    zones: list[ZoneRow]


def heat_loss(inp: HeatLossIn, sources: dict[str, Figure] | None = None) -> HeatLossOut:
    """What a shell loses at a temperature outside, by surface, zone and air. Method: warmth.heat-loss."""
    g = Given(inp, sources)
    dt = inp.indoor_temp_c - inp.outdoor_temp_c
    ua = {s.name: 0.0 for s in inp.surfaces}
    heats = []
    for s in inp.surfaces:
        k = s.u_effective * s.area_m2 * s.b_frac
        ua[s.name] += k
        heats.append(k * dt)
    through = transmission(
        derived(
            "ua_surfaces_w_k", "Σ U'·A·b", sum(ua.values()), Method("warmth.heat-loss", "U' = 1/(1/U + R_extra)"), **{f"{n}_w_k": v for n, v in ua.items()}
        ),
        g("indoor_temp_c"),
        g("outdoor_temp_c"),
    )
    sigma = density_ratio(inp.altitude_m)
    leak = by_air(
        derived("leak_m3_h", "V·n", inp.volume_m3 * inp.ach_per_h, Method("warmth.heat-loss", "leakage"), volume_m3=g("volume_m3"), ach_per_h=g("ach_per_h")),
        sigma,
        g("indoor_temp_c"),
        g("outdoor_temp_c"),
    ).named(label_of("infiltration_w"))
    vent = by_air(g("vent_flow_m3_h"), sigma, g("indoor_temp_c"), g("outdoor_temp_c")).named(label_of("ventilation_w"))
    total = derived(
        "heat_loss_w",
        "surfaces + leakage + ventilation",
        through.value + leak.value + vent.value,
        Method("warmth.heat-loss") + Standard("EN 12831-1"),
        transmission_w=through,
        infiltration_w=leak,
        ventilation_w=vent,
    )
    net = derived(
        "net_heat_w",
        "max(0, loss − gains)",
        max(0.0, total.value - inp.internal_gains_w),
        Method("warmth.heat-loss") + Standard("EN 12831-1"),
        heat_loss_w=total,
        internal_gains_w=g("internal_gains_w"),
    )
    area = sum(s.area_m2 for s in inp.surfaces)
    air = leak.value + vent.value
    zones: dict[str, float] = {}
    for s, h in zip(inp.surfaces, heats, strict=True):
        zones[s.zone] = zones.get(s.zone, 0.0) + h + air * s.area_m2 / area
    most = max(range(len(heats)), key=lambda i: heats[i])
    return HeatLossOut.of(
        surfaces=[
            LossRow(name=s.name, u_effective_w_m2k=s.u_effective, heat_w=h, share_frac=h / total.value if total.value else 0.0)
            for s, h in zip(inp.surfaces, heats, strict=True)
        ],
        transmission_w=through,
        infiltration_w=leak,
        ventilation_w=vent,
        heat_loss_w=total,
        ua_w_k=derived("ua_w_k", "loss/(T_i − T_e)", total.value / dt, Method("warmth.heat-loss", "definition"), heat_loss_w=total),
        mean_u_w_m2k=derived(
            "mean_u_w_m2k",
            "through the surfaces/ΔT/ΣA",
            through.value / dt / area,
            Method("warmth.heat-loss", "definition"),
            transmission_w=through,
            area_m2=area,
        ),
        largest_surface=inp.surfaces[most].name,
        net_heat_w=net,
        design_heat_w=derived(
            "design_heat_w",
            "net·(1+margin)",
            net.value * (1 + inp.margin_frac),
            Method("warmth.heat-loss") + Standard("EN 12831-1"),
            net_heat_w=net,
            margin_frac=g("margin_frac"),
        ),
        zones=[ZoneRow(zone=z, heat_w=w) for z, w in zones.items()],
    )


class BufferTempIn(Contract):
    indoor_temp_c: float = Field(20, ge=-40, le=60)
    outdoor_temp_c: float = Field(ge=-60, le=60)
    ua_to_living_w_k: float = Field(ge=0, le=1000)
    ua_to_outside_w_k: float = Field(gt=0, le=1000)
    heat_w: float = Field(0, ge=0, le=10000)
    min_temp_c: float = Field(3, ge=-40, le=60)


class BufferTempOut(Outcome):
    buffer_temp_c: float
    b_frac: float | None
    heat_from_living_w: float
    heat_needed_w: float
    frost_safe: bool


@formula(says("temperature-space"), "(UA_in·T_i + UA_out·T_e + P)/(UA_in + UA_out)", unit="°C", source=Method("warmth.heat-loss", "heat balance"))
def buffer_temperature(ua_to_living_w_k: float, indoor_temp_c: float, ua_to_outside_w_k: float, outdoor_temp_c: float, heat_w: float) -> float:
    return (ua_to_living_w_k * indoor_temp_c + ua_to_outside_w_k * outdoor_temp_c + heat_w) / (ua_to_living_w_k + ua_to_outside_w_k)


@formula(says("heat-hold"), "max(0, (UA_in+UA_out)·T_min − UA_in·T_i − UA_out·T_e)", unit="W", source=Method("warmth.heat-loss", "heat balance"))
def buffer_heat(ua_to_living_w_k: float, indoor_temp_c: float, ua_to_outside_w_k: float, outdoor_temp_c: float, min_temp_c: float) -> float:
    return max(0.0, (ua_to_living_w_k + ua_to_outside_w_k) * min_temp_c - ua_to_living_w_k * indoor_temp_c - ua_to_outside_w_k * outdoor_temp_c)


def buffer_temp(inp: BufferTempIn, sources: dict[str, Figure] | None = None) -> BufferTempOut:
    """How warm a space between indoors and outdoors is. Method: warmth.heat-loss."""
    g = Given(inp, sources)
    four = (g("ua_to_living_w_k"), g("indoor_temp_c"), g("ua_to_outside_w_k"), g("outdoor_temp_c"))
    t = buffer_temperature(*four, g("heat_w"))
    dt = inp.indoor_temp_c - inp.outdoor_temp_c
    return BufferTempOut.of(
        buffer_temp_c=t,
        b_frac=derived("b_frac", "(T_i − T_b)/(T_i − T_e)", (inp.indoor_temp_c - t.value) / dt, Method("warmth.heat-loss", "definition"), buffer_temp_c=t)
        if dt
        else None,
        heat_from_living_w=derived(
            "heat_from_living_w",
            "UA_in·(T_i − T_b)",
            inp.ua_to_living_w_k * (inp.indoor_temp_c - t.value),
            Method("warmth.heat-loss", "heat balance"),
            ua_to_living_w_k=four[0],
            buffer_temp_c=t,
        ),
        heat_needed_w=buffer_heat(*four, g("min_temp_c")),
        frost_safe=t.value >= inp.min_temp_c,
    )


class Content(Contract):
    name: str = Field("", max_length=200)
    mass_kg: float = Field(ge=0, le=20000)
    specific_heat_j_kgk: float = Field(gt=0, le=5000)
    coupled_frac: float = Field(1, ge=0, le=1)


class WarmUpTimeIn(Contract):
    ua_w_k: float = Field(gt=0, le=2000)
    power_w: float = Field(ge=0, le=50000)
    start_temp_c: float = Field(ge=-60, le=60)
    target_temp_c: float = Field(20, ge=-40, le=60)
    outdoor_temp_c: float = Field(ge=-60, le=60)
    low_temp_c: float = Field(5, ge=-60, le=60)
    volume_m3: float = Field(0, ge=0, le=500)
    contents: list[Content] = Field([], max_length=100)

    @model_validator(mode="after")
    def _something(self) -> Self:
        if self.volume_m3 <= 0 and sum(c.mass_kg * c.coupled_frac for c in self.contents) <= 0:
            raise wrong("contents", says("give-contents-or-volume"))
        return self


class WarmUpTimeOut(Outcome):
    heat_capacity_kj_k: float
    time_constant_h: float
    final_temp_c: float
    reachable: bool
    holds: bool
    time_min: float | None
    hold_power_w: float
    coast_time_h: float | None


@formula(says("time-constant"), "C/UA", unit="h", source=Method("warmth.warm-up", "one lumped capacity"))
def time_constant(heat_capacity_kj_k: float, ua_w_k: float) -> float:
    return heat_capacity_kj_k * 1000 / ua_w_k / 3600


def warm_up_time(inp: WarmUpTimeIn, sources: dict[str, Figure] | None = None) -> WarmUpTimeOut:
    """How long until it is warm, and how long it stays so. Method: warmth.warm-up."""
    g = Given(inp, sources)
    cap = derived(
        "heat_capacity_kj_k",
        "ρ·c_p·V + Σ m·c·coupled",
        (RHO * CP * inp.volume_m3 + sum(c.mass_kg * c.specific_heat_j_kgk * c.coupled_frac for c in inp.contents)) / 1000,
        Method("warmth.warm-up"),
        volume_m3=g("volume_m3"),
        **{f"{c.name or 'content'}_{i}_kj_k": c.mass_kg * c.specific_heat_j_kgk * c.coupled_frac / 1000 for i, c in enumerate(inp.contents, 1)},
    )
    tau = time_constant(cap, g("ua_w_k"))
    end = derived(
        "final_temp_c",
        "T_e + P/UA",
        inp.outdoor_temp_c + inp.power_w / inp.ua_w_k,
        Method("warmth.warm-up", "heat balance"),
        outdoor_temp_c=g("outdoor_temp_c"),
        power_w=g("power_w"),
        ua_w_k=g("ua_w_k"),
    )
    t0, tt, te, low = inp.start_temp_c, inp.target_temp_c, inp.outdoor_temp_c, inp.low_temp_c
    time: Figure | float | None = None
    if t0 >= tt:
        time = 0.0
    elif end.value > tt:
        time = derived(
            "time_min",
            "τ·ln((T_∞−T_0)/(T_∞−T_t))",
            60 * tau.value * math.log((end.value - t0) / (end.value - tt)),
            Method("warmth.warm-up", "one lumped capacity"),
            time_constant_h=tau,
            final_temp_c=end,
            start_temp_c=g("start_temp_c"),
            target_temp_c=g("target_temp_c"),
        )
    coast: Figure | float | None = None
    if tt <= low:
        coast = 0.0
    elif low > te:
        coast = derived(
            "coast_time_h",
            "τ·ln((T_t−T_e)/(T_low−T_e))",
            tau.value * math.log((tt - te) / (low - te)),
            Method("warmth.warm-up", "one lumped capacity"),
            time_constant_h=tau,
            target_temp_c=g("target_temp_c"),
            low_temp_c=g("low_temp_c"),
        )
    return WarmUpTimeOut.of(
        heat_capacity_kj_k=cap,
        time_constant_h=tau,
        final_temp_c=end,
        reachable=time is not None,
        holds=end.value >= tt,
        time_min=time,
        hold_power_w=derived(
            "hold_power_w",
            "UA·(T_t − T_e)",
            inp.ua_w_k * (tt - te),
            Method("warmth.warm-up", "heat balance"),
            ua_w_k=g("ua_w_k"),
            target_temp_c=g("target_temp_c"),
            outdoor_temp_c=g("outdoor_temp_c"),
        ),
        coast_time_h=coast,
    )
