"""Inverter: its size, and the DC current that its feed, fuse and cable must carry (method power.inverter-current)."""

from __future__ import annotations

import math
from typing import Annotated, ClassVar, Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, Whole, next_size, unique_ids, wrong
from bothy.core.figure import Figure, derived, formula, pick
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.power.chemistry import SystemVoltage
from bothy.core.power.ratings import BREAKERS_A, FUSES_A, INVERTERS_W
from bothy.core.region import REGIONS, RegionKey
from bothy.core.words.says import power_says as says


class InverterDcCurrentIn(Contract):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (("ac_power_w", "ac_apparent_va"),)
    ac_power_w: float | None = Field(None, gt=0, le=50000)
    ac_apparent_va: float | None = Field(None, gt=0, le=50000)
    power_factor: float = Field(0.8, ge=0.1, le=1)
    system_voltage_v: SystemVoltage = 12
    min_voltage_v: float | None = None
    efficiency_frac: float = Field(0.88, ge=0.5, le=1)
    continuous_factor: float = Field(1.25, ge=1, le=2)
    surge_power_w: float | None = Field(None, gt=0, le=200000)
    existing_breaker_a: float | None = Field(None, gt=0, le=2000)
    existing_fuse_a: float | None = Field(None, gt=0, le=2000)

    @model_validator(mode="after")
    def _check(self) -> Self:
        self.exactly_one(*self.ONE_OF[0])
        low, high = 0.7 * self.system_voltage_v, 1.25 * self.system_voltage_v
        if self.min_voltage_v is not None and not low - 1e-9 <= self.min_voltage_v <= high + 1e-9:
            raise wrong("min_voltage_v", says("must-be-between-and", low=low, high=high, system_voltage_v=self.system_voltage_v))
        power = self.ac_power_w or (self.ac_apparent_va or 0) * self.power_factor
        if self.surge_power_w is not None and self.surge_power_w < power - 1e-9:
            raise wrong("surge_power_w", says("must-be-at-least", power_w=power))
        return self


class InverterDcCurrentOut(Outcome):
    dc_power_w: float
    dc_current_a: float
    nominal_current_a: float
    ripple_rms_max_a: float
    design_current_a: float
    fuse_a: float | None
    breaker_a: float | None
    cable_ampacity_min_a: float
    surge_current_a: float | None
    protection_ratio_frac: float | None
    supported_peak_w: float | None
    supported_continuous_w: float | None
    rules: list[str]


@formula(says("real-power"), "P = S·pf", unit="W", source=Method("power.inverter-current", "definition"))
def real_power(ac_apparent_va: float, power_factor: float) -> float:
    return ac_apparent_va * power_factor


S33 = Method("power.inverter-current")
S34 = Method("power.inverter-size")


@formula(says("dc-power"), "P_dc = P_ac/η", unit="W", source=Method("power.inverter-current"))
def dc_power(ac_power_w: float, efficiency_frac: float) -> float:
    return ac_power_w / efficiency_frac


@formula(says("inverters-dc-current"), "I = P_dc/U_min", unit="A", source=Method("power.inverter-current", "constant power draws most at low voltage"))
def dc_current(dc_power_w: float, min_voltage_v: float) -> float:
    return dc_power_w / min_voltage_v


@formula(
    says("design-current"), "k·I", unit="A", source=Method("power.inverter-current", "80 % practice of UL 489") + Standard("NFPA 70") + Standard("ABYC E-11")
)
def design_current(continuous_factor: float, current_a: float) -> float:
    return continuous_factor * current_a


@formula(says("ac-power-which-protection"), "X·U_min·η", unit="W", source=Method("power.inverter-current"))
def supported_power(rating_a: float, min_voltage_v: float, efficiency_frac: float) -> float:
    return rating_a * min_voltage_v * efficiency_frac


def inverter_dc_current(inp: InverterDcCurrentIn, sources: dict[str, Figure] | None = None) -> InverterDcCurrentOut:
    """DC current of an inverter, what its protection must be, and what an existing one supports. Method: power.inverter-current."""
    g = Given(inp, sources)
    ac = g("ac_power_w") if inp.ac_power_w is not None else real_power(g("ac_apparent_va"), g("power_factor"))
    eff = g("efficiency_frac")
    u_min = g("min_voltage_v", 11 / 12 * inp.system_voltage_v, says("system-voltage"))
    power = dc_power(ac, eff)
    current = dc_current(power, u_min)
    design = design_current(g("continuous_factor"), current)
    fuse, breaker = next_size(FUSES_A, design.value), next_size(BREAKERS_A, design.value)
    existing = [x for x in (inp.existing_breaker_a, inp.existing_fuse_a) if x is not None]
    rules = set()
    for x, kind in ((inp.existing_breaker_a, "breaker"), (inp.existing_fuse_a, "fuse")):
        if x is None:
            continue
        if x < current.value - 1e-9:
            rules.add(f"power-inverter-{kind}-small")
        elif x < design.value - 1e-9:
            rules.add(f"power-inverter-{kind}-tight")
    if current.value > 250 + 1e-9 and inp.system_voltage_v < 48:
        rules.add("power-system-voltage-low")
    supported = supported_power(min(existing), u_min, eff) if existing else None
    return InverterDcCurrentOut.of(
        dc_power_w=power,
        dc_current_a=current,
        nominal_current_a=derived(
            "nominal_current_a", "I = P_dc/U", power.value / inp.system_voltage_v, S33, dc_power_w=power, system_voltage_v=inp.system_voltage_v
        ),
        ripple_rms_max_a=derived(
            "ripple_rms_max_a", "√1.5·I", math.sqrt(1.5) * current.value, Method("power.ratings", "sin² wave of a single-phase inverter"), dc_current_a=current
        ),
        design_current_a=design,
        fuse_a=pick(says("inverter-fuse"), says("next-standard-fuse-design"), fuse, "A", Method("power.ratings"), design_current_a=design) if fuse else None,
        breaker_a=pick(says("inverter-breaker"), says("next-standard-breaker-design"), breaker, "A", Method("power.ratings"), design_current_a=design)
        if breaker
        else None,
        cable_ampacity_min_a=derived("cable_ampacity_min_a", says("fuse-or-design-current"), fuse or design.value, S33, design_current_a=design),
        surge_current_a=dc_current(dc_power(g("surge_power_w"), eff), u_min) if inp.surge_power_w else None,
        protection_ratio_frac=derived("protection_ratio_frac", "X/(k·I)", min(existing) / design.value, S33, rating_a=min(existing), design_current_a=design)
        if existing
        else None,
        supported_peak_w=supported,
        supported_continuous_w=derived(
            "supported_continuous_w",
            "peak/k",
            supported.value / inp.continuous_factor,
            S33,
            supported_peak_w=supported,
            continuous_factor=inp.continuous_factor,
        )
        if supported
        else None,
        rules=sorted(rules),
    )


class InverterLoad(Contract):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (("power_w", "current_a"),)
    id: str = Field(min_length=1, max_length=200)
    power_w: float | None = Field(None, ge=0, le=50000)
    current_a: float | None = Field(None, ge=0, le=500)
    count: Whole = Field(1, ge=0, le=100)
    power_factor: float = Field(1, ge=0.1, le=1)
    start_multiple: float | None = Field(None, ge=1, le=20)
    start_power_w: float | None = Field(None, ge=0, le=200000)
    coincident: bool = True
    pure_sine: bool = False

    @model_validator(mode="after")
    def _check(self) -> Self:
        self.exactly_one(*self.ONE_OF[0])
        if self.start_multiple is not None and self.start_power_w is not None:
            raise wrong("start_power_w", says("give-start-power-or"))
        return self


class InverterSizeIn(Contract):
    region: RegionKey
    loads: list[InverterLoad] = Field(min_length=1)
    headroom_frac: float = Field(0.25, ge=0, le=2)
    ambient_temp_c: float = Field(25, ge=-40, le=70)
    derate_from_c: float = Field(25, ge=0, le=70)
    derate_per_k: float = Field(0.008, ge=0, le=0.05)
    surge_ratio: float = Field(2, ge=1, le=6)
    rated_power_factor: float = Field(1, ge=0.5, le=1)
    simultaneous_starts: bool = False
    ratings_w: list[Annotated[float, Field(gt=0)]] = Field([float(r) for r in INVERTERS_W], min_length=1)
    efficiency_frac: float = Field(0.88, ge=0.5, le=1)
    max_dc_current_a: float = Field(250, gt=0, le=2000)
    idle_w: float | None = Field(None, ge=0, le=500)
    on_h: float = Field(24, ge=0, le=24)

    @model_validator(mode="after")
    def _check(self) -> Self:
        unique_ids(load.id for load in self.loads)
        if 1 - self.derate_per_k * max(0.0, self.ambient_temp_c - self.derate_from_c) <= 0.2:
            raise wrong("ambient_temp_c", says("so-hot-that-less"))
        return self


class InverterSizeOut(Outcome):
    coincident_power_w: float
    coincident_apparent_va: float
    start_power_w: float
    start_load_id: str | None
    derate_frac: float
    required_power_w: float
    governing: Literal["continuous", "apparent", "surge"]
    rating_w: float | None
    load_frac: float | None
    system_voltage_v: float | None
    dc_current_a: float | None
    idle_w: float | None
    idle_energy_wh: float | None
    pure_sine_required: bool
    rules: list[str]


@formula(says("rating-left-heat"), "1 − d·max(0, T − T₀)", unit="", source=Method("power.inverter-size", "typical derating"))
def derating(derate_per_k: float, ambient_temp_c: float, derate_from_c: float) -> float:
    return 1 - derate_per_k * max(0.0, ambient_temp_c - derate_from_c)


@formula(says("rating-running-load"), "P·(1 + headroom)/derate", unit="W", source=Method("power.inverter-size"))
def required_continuous(power_w: float, headroom_frac: float, derate_frac: float) -> float:
    return power_w * (1 + headroom_frac) / derate_frac


@formula(says("rating-start"), "P_start/surge ratio/derate", unit="W", source=Method("power.inverter-size"))
def required_surge(start_power_w: float, surge_ratio: float, derate_frac: float) -> float:
    return start_power_w / surge_ratio / derate_frac


def inverter_size(inp: InverterSizeIn, sources: dict[str, Figure] | None = None) -> InverterSizeOut:
    """The inverter that runs and starts a set of mains loads. Method: power.inverter-size."""
    g = Given(inp, sources)
    mains = REGIONS[inp.region].mains_v

    def running(load: InverterLoad) -> float:
        return load.power_w if load.power_w is not None else (load.current_a or 0) * mains * load.power_factor

    def kick(load: InverterLoad) -> float:
        p = running(load)
        start = load.start_power_w if load.start_power_w is not None else (load.start_multiple or 1) * p
        return max(0.0, start - p) if load.count > 0 else 0.0

    together = [x for x in inp.loads if x.coincident]
    scenarios = ([together] if together else []) + [[x] for x in inp.loads if not x.coincident]
    best_p = best_s = best_start = 0.0
    start_id: str | None = None
    for scenario in scenarios:
        p = sum(x.count * running(x) for x in scenario)
        q = sum(x.count * running(x) * math.tan(math.acos(x.power_factor)) for x in scenario)
        kicks = [kick(x) for x in scenario]
        extra = sum(x.count * k for x, k in zip(scenario, kicks, strict=True)) if inp.simultaneous_starts else max(kicks)
        best_p, best_s = max(best_p, p), max(best_s, math.hypot(p, q))
        if p + extra > best_start:
            best_start = p + extra
            hardest = max(range(len(kicks)), key=lambda i: kicks[i])
            start_id = scenario[hardest].id if kicks[hardest] > 0 else None
    running_w = {x.id: x.count * running(x) for x in inp.loads}
    power = derived("coincident_power_w", "largest Σ n·P of what runs together", best_p, S34, **running_w)
    apparent = derived("coincident_apparent_va", "√(ΣP² + ΣQ²)", best_s, S34, coincident_power_w=power)
    start = derived("start_power_w", says("running-hardest-start-on"), best_start, S34, coincident_power_w=power)
    derate = derating(g("derate_per_k"), g("ambient_temp_c"), g("derate_from_c"))
    headroom = g("headroom_frac")
    wants = {
        "continuous": required_continuous(power, headroom, derate),
        "apparent": required_continuous(
            pick(says("apparent-power-at-rated"), "S·pf", best_s * inp.rated_power_factor, "W", S34, coincident_apparent_va=apparent),
            headroom,
            derate,
        ),
        "surge": required_surge(start, g("surge_ratio"), derate),
    }
    governing = max(wants, key=lambda k: wants[k].value)
    required = pick(says("required-inverter-rating"), says("largest-continuous-apparent-and"), wants[governing], "W", Method("power.inverter-size"), **wants)
    rating = next_size(sorted(inp.ratings_w), required.value)
    rules = set()
    volts = amps = idle = None
    if rating is None:
        rules.add("power-inverter-none-fits")
    else:
        volts = next((v for v in (12, 24, 48) if rating / (inp.efficiency_frac * 11 / 12 * v) <= inp.max_dc_current_a + 1e-9), 48)
        amps = rating / (inp.efficiency_frac * 11 / 12 * volts)
        if amps > inp.max_dc_current_a + 1e-9:
            rules.add("power-system-voltage-low")
        idle = inp.idle_w if inp.idle_w is not None else 4 + 0.006 * rating
        if best_p < 0.15 * rating - 1e-9:
            rules.add("power-inverter-oversized")
    if rating is None:
        idle = inp.idle_w
    idle_fig = (
        None
        if idle is None
        else g("idle_w")
        if inp.idle_w is not None
        else derived("idle_w", says("rating"), idle, Method("power.inverter-size") + OwnChoice("typical"), rating_w=rating or 0)
    )
    return InverterSizeOut.of(
        coincident_power_w=power,
        coincident_apparent_va=apparent,
        start_power_w=start,
        start_load_id=start_id,
        derate_frac=derate,
        required_power_w=required,
        governing=governing,
        rating_w=pick(says("inverter-rating"), says("next-standard-size-required"), rating, "W", Method("power.inverter-size"), required_power_w=required)
        if rating
        else None,
        load_frac=derived(
            "load_frac", "P/(rating·derate)", best_p / (rating * derate.value), S34, coincident_power_w=power, rating_w=rating, derate_frac=derate
        )
        if rating
        else None,
        system_voltage_v=derived("system_voltage_v", says("lowest-that-keeps-current"), volts, S34, max_dc_current_a=g("max_dc_current_a")) if volts else None,
        dc_current_a=derived("dc_current_a", "rating/(η·U_min)", amps, S34, rating_w=rating or 0, efficiency_frac=g("efficiency_frac")) if amps else None,
        idle_w=idle_fig,
        idle_energy_wh=derived("idle_energy_wh", "P₀·hours on", idle_fig.value * inp.on_h, S34, idle_w=idle_fig, on_h=g("on_h")) if idle_fig else None,
        pure_sine_required=any(x.count > 0 and x.pure_sine for x in inp.loads),
        rules=sorted(rules),
    )
