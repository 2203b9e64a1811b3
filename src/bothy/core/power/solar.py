"""Solar: panel physics, strings on a controller, and daily yield (method power.panel-temperature)."""

from __future__ import annotations

import math
from collections.abc import Iterator
from typing import Annotated, Literal, NamedTuple, Self

from pydantic import Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, Whole, next_size, wrong
from bothy.core.figure import Figure, derived, formula, given, pick
from bothy.core.method.sources import Maker, Method, Standard
from bothy.core.power.chemistry import SystemVoltage
from bothy.core.power.ratings import PV_FUSES_A
from bothy.core.region import RegionKey
from bothy.core.words.says import power_says as says

Mounting = Literal["open_rack", "roof_gap", "glued"]
ControllerType = Literal["mppt", "pwm"]
UPLIFT_K: dict[str, float] = {"open_rack": 0.0, "roof_gap": 5.0, "glued": 15.0}
Share = Annotated[float, Field(ge=0, le=1)]


class Panel(Contract):
    power_w: float = Field(gt=0, le=5000)
    vmp_v: float = Field(gt=0, le=5000)
    imp_a: float = Field(gt=0, le=5000)
    voc_v: float = Field(gt=0, le=5000)
    isc_a: float = Field(gt=0, le=5000)
    voc_coeff_per_k: float = Field(-0.0030, ge=-0.01, le=0)
    power_coeff_per_k: float = Field(-0.0038, ge=-0.01, le=0)
    isc_coeff_per_k: float = Field(0.0005, ge=-0.001, le=0.002)
    vmp_coeff_per_k: float | None = Field(None, ge=-0.012, le=0)
    noct_c: float = Field(45, ge=30, le=70)
    max_series_fuse_a: float | None = Field(None, gt=0, le=100)

    @model_validator(mode="after")
    def _check(self) -> Self:
        if self.vmp_v >= self.voc_v:
            raise wrong("vmp_v", says("must-be-below-voc"))
        if self.imp_a >= self.isc_a:
            raise wrong("imp_a", says("must-be-below-isc"))
        return self

    @property
    def vmp_coeff(self) -> float:
        """Temperature coefficient of Vmp in 1/K."""
        return self.vmp_coeff_per_k if self.vmp_coeff_per_k is not None else self.power_coeff_per_k - self.isc_coeff_per_k


class PanelString(Contract):
    panel: Panel
    series_count: Whole = Field(1, ge=1, le=50)
    parallel_count: Whole = Field(1, ge=1, le=50)


class SolarStringIn(Contract):
    region: RegionKey
    strings: list[PanelString] = Field(min_length=1)
    max_voltage_v: float = Field(gt=0, le=1000)
    max_charge_current_a: float = Field(gt=0, le=1000)
    max_input_current_a: float | None = Field(None, gt=0, le=1000)
    controller_type: ControllerType = "mppt"
    controller_efficiency_frac: float = Field(0.97, ge=0.5, le=1)
    system_voltage_v: SystemVoltage = 12
    charge_voltage_v: float | None = Field(None, gt=0, le=100)
    battery_voltage_v: float | None = Field(None, gt=0, le=100)
    run_margin_v: float | None = Field(None, ge=0, le=50)
    start_margin_v: float | None = Field(None, ge=0, le=50)
    min_temp_c: float = Field(-10, ge=-60, le=25)
    max_ambient_c: float = Field(40, ge=0, le=60)
    mounting: Mounting = "roof_gap"
    allow_overpanel: bool = True


class GroupOut(Outcome):
    power_w: float
    voc_cold_v: float
    voc_hot_v: float
    vmp_hot_v: float
    cell_hot_c: float
    max_series_count: int
    min_series_count: int
    backfeed_a: float
    fuse_required: bool
    fuse_a: float | None


class SolarStringOut(Outcome):
    array_power_w: float
    string_count: int
    voc_cold_v: float
    voltage_headroom_frac: float
    voc_hot_v: float
    vmp_hot_v: float
    isc_a: float
    isc_design_a: float
    cable_ampacity_min_a: float
    operating_voltage_v: float
    mismatch_frac: float
    uncapped_current_a: float
    charge_current_a: float
    clip_frac: float
    overpanel_ratio: float
    mppt_power_hot_w: float
    pwm_power_w: float
    pwm_to_mppt_frac: float
    string_fuse_required: bool
    groups: list[GroupOut]
    rules: list[str]


@formula(
    says("cell-temperature"),
    "T = Ta + (NOCT − 20)/800·G + u·G/1000",
    unit="°C",
    source=Method("power.strings", "uplift typical") + Standard("NOCT") + Standard("IEC 61215"),
)
def cell_temp(ambient_temp_c: float, noct_c: float, irradiance_w_m2: float, uplift_k: float) -> float:
    return ambient_temp_c + (noct_c - 20) / 800 * irradiance_w_m2 + uplift_k * irradiance_w_m2 / 1000


@formula(says("string-voltage-cell-temperature"), "s·U·(1 + β·(T − 25))", unit="V", source=Method("power.strings") + Maker())
def string_voltage(series_count: float, voltage_v: float, coeff_per_k: float, cell_temp_c: float) -> float:
    return series_count * voltage_v * (1 + coeff_per_k * (cell_temp_c - 25))


@formula(
    says("short-circuit-current-design"),
    "1.25·ΣIsc",
    unit="A",
    source=Method("power.strings", "irradiance above 1000 W/m²") + Standard("NFPA 70", "690.8") + Standard("IEC 62548"),
)
def isc_design(isc_a: float) -> float:
    return 1.25 * isc_a


@formula(says("charge-current-before-controllers"), "P·η/U", unit="A", source=Method("power.strings"))
def mppt_current(operating_power_w: float, controller_efficiency_frac: float, battery_voltage_v: float) -> float:
    return operating_power_w * controller_efficiency_frac / battery_voltage_v


def _current_at(p: Panel, series: int, volts: float, voc: float, vmp: float) -> float:
    """Current of one string at a voltage: Imp up to its Vmp, then falling to 0 at Voc."""
    return p.imp_a if volts <= series * vmp + 1e-9 else max(0.0, p.imp_a * (series * voc - volts) / (series * (voc - vmp)))


def _string_fuse(p: Panel, strings: int, backfeed: float, region: str) -> tuple[bool, float | None]:
    """Whether a string needs its own fuse, and the gPV rating that fits (None when none does)."""
    required = strings >= 3 and (p.max_series_fuse_a is None or backfeed > p.max_series_fuse_a + 1e-9)
    low = (1.5625 if region == "us" else 1.5) * p.isc_a
    top = min(2.4 * p.isc_a, p.max_series_fuse_a or math.inf)
    rating = next_size(PV_FUSES_A, low)
    return required, rating if required and rating is not None and rating <= top + 1e-9 else None


class _Array(NamedTuple):
    """All strings on a controller: their groups, the open-circuit voltages in the coldest dawn, label power hot in W, what a PWM controller gets hot in W."""

    groups: list[GroupOut]
    cold: list[Figure]
    hot_w: float
    pwm_hot_w: float


def _worked_groups(inp: SolarStringIn, t_cold: Figure, battery_v: float, least_v: float, rules: set[str]) -> _Array:
    """Each group of strings hot and cold; ``least_v`` is what the controller needs over it to run."""
    strings = sum(s.parallel_count for s in inp.strings)
    isc_all = sum(s.parallel_count * s.panel.isc_a for s in inp.strings)
    out = _Array([], [], 0.0, 0.0)
    for s in inp.strings:
        p = s.panel
        t_hot = cell_temp(inp.max_ambient_c, p.noct_c, 1000.0, UPLIFT_K[inp.mounting])
        cold = string_voltage(s.series_count, p.voc_v, p.voc_coeff_per_k, t_cold).named(says("open-circuit-voltage-in"))
        voc_hot = string_voltage.raw(s.series_count, p.voc_v, p.voc_coeff_per_k, t_hot.value)
        vmp_hot = string_voltage.raw(s.series_count, p.vmp_v, p.vmp_coeff, t_hot.value)
        backfeed = 1.25 * (isc_all - p.isc_a)
        required, fuse = _string_fuse(p, strings, backfeed, inp.region)
        if required:
            rules.add("power-solar-string-fuse")
            if fuse is None:
                rules.add("power-solar-string-fuse-none")
        if abs(p.vmp_v * p.imp_a / p.power_w - 1) > 0.05 + 1e-9:
            rules.add("power-panel-data-inconsistent")
        group_w = s.series_count * s.parallel_count * p.power_w
        c = 1.0 if battery_v <= vmp_hot + 1e-9 else max(0.0, (voc_hot - battery_v) / (voc_hot - vmp_hot))
        out = out._replace(
            hot_w=out.hot_w + group_w * (1 + p.power_coeff_per_k * (t_hot.value - 25)), pwm_hot_w=out.pwm_hot_w + battery_v * s.parallel_count * p.imp_a * c
        )
        out.cold.append(cold)
        out.groups.append(
            GroupOut.of(
                power_w=group_w,
                voc_cold_v=cold,
                voc_hot_v=voc_hot,
                vmp_hot_v=vmp_hot,
                cell_hot_c=t_hot,
                max_series_count=math.floor(inp.max_voltage_v / (cold.value / s.series_count) + 1e-9),
                min_series_count=math.ceil(least_v / (vmp_hot / s.series_count) - 1e-9),
                backfeed_a=backfeed,
                fuse_required=required,
                fuse_a=fuse,
            )
        )
    return out


def _one_voltage(inp: SolarStringIn) -> tuple[float, float]:
    """The voltage at which all strings together give most, and the part of their best that is lost by it."""

    def power_at(v: float) -> float:
        return sum(s.parallel_count * _current_at(s.panel, s.series_count, v, s.panel.voc_v, s.panel.vmp_v) * v for s in inp.strings)

    operating_v = max([s.series_count * s.panel.vmp_v for s in inp.strings], key=power_at)
    ideal = sum(s.parallel_count * s.series_count * s.panel.vmp_v * s.panel.imp_a for s in inp.strings)
    return operating_v, max(0.0, 1 - power_at(operating_v) / ideal)


def _voltage_rules(inp: SolarStringIn, voc_cold: float, vmp_hot: float, voc_hot: float, charge_v: float) -> Iterator[str]:
    """Too high in the cold, too low in the heat."""
    mppt = inp.controller_type == "mppt"
    run = inp.run_margin_v if inp.run_margin_v is not None else (1.0 if mppt else 0.5)
    start = inp.start_margin_v if inp.start_margin_v is not None else (5.0 if mppt else 0.5)
    if voc_cold > inp.max_voltage_v + 1e-9:
        yield "power-solar-voc-over"
    elif voc_cold > 0.95 * inp.max_voltage_v + 1e-9:
        yield "power-solar-voc-tight"
    if vmp_hot < charge_v + run - 1e-9:
        yield "power-solar-vmp-low"
    elif voc_hot < charge_v + start - 1e-9:
        yield "power-solar-start-low"


def _size_rules(inp: SolarStringIn, isc_all: float, ratio: float, mismatch: float, pwm_w: float, mppt_w: float) -> Iterator[str]:
    """Too much current, too large an array, strings unlike each other, what PWM loses."""
    mppt = inp.controller_type == "mppt"
    input_limit = inp.max_input_current_a or (None if mppt else inp.max_charge_current_a)
    if input_limit is not None:
        if isc_all > input_limit + 1e-9:
            yield "power-solar-isc-over"
        elif 1.25 * isc_all > input_limit + 1e-9:
            yield "power-solar-isc-tight"
    if mppt and ratio > 1 + 1e-9 and not inp.allow_overpanel:
        yield "power-solar-overpanel-forbidden"
    elif mppt and ratio > 1.5 + 1e-9:
        yield "power-solar-overpanel"
    if mismatch > 0.03 + 1e-9:
        yield "power-solar-mismatch"
    if not mppt and pwm_w < 0.85 * mppt_w - 1e-9:
        yield "power-solar-pwm-loss"


def solar_string(inp: SolarStringIn, sources: dict[str, Figure] | None = None) -> SolarStringOut:
    """Panels in strings on one controller, cold and hot. Methods: power.panel-temperature, power.strings."""
    g = Given(inp, sources)
    mppt, source = inp.controller_type == "mppt", Method("power.strings")
    charge_v = inp.charge_voltage_v or 1.2 * inp.system_voltage_v
    battery_v = g("battery_voltage_v", 12.8 / 12 * inp.system_voltage_v, says("system-voltage-2"))
    run = inp.run_margin_v if inp.run_margin_v is not None else (1.0 if mppt else 0.5)
    strings = sum(s.parallel_count for s in inp.strings)
    isc_all = sum(s.parallel_count * s.panel.isc_a for s in inp.strings)
    power_all = sum(s.series_count * s.parallel_count * s.panel.power_w for s in inp.strings)
    rules: set[str] = set()
    groups, colds, hot_powers, pwm_hot = _worked_groups(inp, g("min_temp_c"), battery_v.value, charge_v + run, rules)
    voc_cold = max(colds, key=lambda f: f.value)
    vmp_hot_min, voc_hot_min = min(x.vmp_hot_v for x in groups), min(x.voc_hot_v for x in groups)
    operating_v, mismatch = _one_voltage(inp)
    operating_w = given("operating_power_w", power_all * (1 - mismatch), "computed", says("array-power-less-mismatch"), source=source)
    eff, limit = g("controller_efficiency_frac"), g("max_charge_current_a")
    pulled = sum(s.parallel_count * s.panel.imp_a for s in inp.strings)
    to_battery = "ΣImp: the panel is pulled to battery voltage"
    uncapped = mppt_current(operating_w, eff, battery_v) if mppt else given("uncapped_current_a", pulled, "computed", to_battery, source=source)
    current = pick(
        says("largest-charge-current"),
        says("smaller-arrays-and-controllers"),
        min(uncapped.value, limit.value),
        "A",
        source,
        uncapped_current_a=uncapped,
        max_charge_current_a=limit,
    )
    ratio = power_all / (limit.value * charge_v) if mppt else 1.25 * isc_all / limit.value
    hot_w = operating_w.value * (hot_powers / power_all) * eff.value
    rules.update(_voltage_rules(inp, voc_cold.value, vmp_hot_min, voc_hot_min, charge_v), _size_rules(inp, isc_all, ratio, mismatch, pwm_hot, hot_w))
    isc_fig = given("isc_a", isc_all, "computed", "Σ of the strings", source=source)
    array_w = derived("array_power_w", "Σ s·p·P", power_all, Method("power.strings", "label power at STC"), string_count=strings)
    hot_fig = derived(
        "mppt_power_hot_w", "P·(1 + γ·(T − 25))·η, less mismatch", hot_w, source, array_power_w=array_w, controller_efficiency_frac=eff, mismatch_frac=mismatch
    )
    pwm_fig = derived("pwm_power_w", "U_bat·Σ Imp, less where the hot panel cannot reach it", pwm_hot, source, battery_voltage_v=battery_v)
    hot_c = groups[0].figure("cell_hot_c")
    code = 1.5625 if inp.region == "us" else 1.25
    return SolarStringOut.of(
        array_power_w=array_w,
        string_count=derived("string_count", "Σ p", strings, Method("power.strings", "what is in parallel")),
        voc_cold_v=voc_cold,
        voltage_headroom_frac=derived(
            "voltage_headroom_frac", "1 − Voc/limit", 1 - voc_cold.value / inp.max_voltage_v, source, voc_cold_v=voc_cold, max_voltage_v=g("max_voltage_v")
        ),
        voc_hot_v=derived("voc_hot_v", "s·Voc·(1 + β·(T − 25)), the least", voc_hot_min, source, cell_hot_c=hot_c),
        vmp_hot_v=derived("vmp_hot_v", "s·Vmp·(1 + β·(T − 25)), the least", vmp_hot_min, source, cell_hot_c=hot_c),
        isc_a=isc_fig,
        isc_design_a=isc_design(isc_fig),
        cable_ampacity_min_a=derived(
            "cable_ampacity_min_a",
            f"{code:g}·ΣIsc",
            code * isc_all,
            Method("power.strings") + Standard("NFPA 70", "690.8") + Standard("IEC 62548"),
            isc_a=isc_fig,
        ),
        operating_voltage_v=derived("operating_voltage_v", "the group's s·Vmp that gives most", operating_v, source),
        mismatch_frac=derived("mismatch_frac", "1 − power at one voltage/Σ of each at its best", mismatch, source, operating_voltage_v=operating_v),
        uncapped_current_a=uncapped,
        charge_current_a=current,
        clip_frac=derived(
            "clip_frac",
            "max(0, 1 − limit/uncapped)",
            max(0.0, 1 - limit.value / uncapped.value) if uncapped.value > 0 else 0.0,
            source,
            max_charge_current_a=limit,
            uncapped_current_a=uncapped,
        ),
        overpanel_ratio=derived(
            "overpanel_ratio", "P/(limit·U_charge)" if mppt else "1.25·Isc/limit", ratio, source, array_power_w=array_w, max_charge_current_a=limit
        ),
        mppt_power_hot_w=hot_fig,
        pwm_power_w=pwm_fig,
        pwm_to_mppt_frac=derived("pwm_to_mppt_frac", "PWM/MPPT", pwm_hot / hot_w if hot_w > 0 else 0.0, source, pwm_power_w=pwm_fig, mppt_power_hot_w=hot_fig),
        string_fuse_required=any(x.fuse_required for x in groups),
        groups=groups,
        rules=sorted(rules),
    )


class SolarYieldSimpleIn(Contract):
    array_power_w: float = Field(ge=0, le=1e5)
    peak_sun_h: float = Field(ge=0, le=14)
    controller_type: ControllerType = "mppt"
    controller_efficiency_frac: float | None = Field(None, gt=0, le=1)
    panel_vmp_v: float | None = Field(None, gt=0, le=500)
    battery_voltage_v: float = Field(13.2, gt=0, le=100)
    ambient_temp_c: float = Field(20, ge=-40, le=60)
    mean_irradiance_w_m2: float = Field(600, ge=0, le=1200)
    noct_c: float = Field(45, ge=30, le=70)
    mounting: Mounting = "roof_gap"
    power_coeff_per_k: float = Field(-0.0038, ge=-0.01, le=0)
    soiling_factor_frac: Share = 0.97
    wiring_factor_frac: Share = 0.98
    mismatch_factor_frac: Share = 0.98
    shading_factor_frac: Share = 1
    ageing_factor_frac: Share = 1
    deployed_frac: Share = 1
    acceptance_frac: Share = 1
    bank_voltage_v: float = Field(12.8, gt=0, le=100)
    daily_energy_wh: float | None = Field(None, gt=0, le=1e6)

    @model_validator(mode="after")
    def _check(self) -> Self:
        if self.controller_type == "pwm" and self.panel_vmp_v is None:
            raise wrong("panel_vmp_v", says("required-with-pwm-controller"))
        return self


class SolarYieldSimpleOut(Outcome):
    cell_temp_c: float
    temp_factor_frac: float
    pwm_factor_frac: float
    derate_frac: float
    energy_wh: float
    charge_ah: float
    covered_frac: float | None
    required_array_power_w: float | None


@formula(says("temperature-factor"), "1 + γ·(T − 25)", unit="", source=Method("power.solar-day") + Maker())
def power_temp_factor(power_coeff_per_k: float, cell_temp_c: float) -> float:
    return 1 + power_coeff_per_k * (cell_temp_c - 25)


@formula(says("what-left-after-losses"), "f_T·f_pwm·η·soiling·wiring·mismatch·shading·ageing·deployed·acceptance", unit="", source=Method("power.solar-day"))
def derate_product(
    temp_factor_frac: float,
    pwm_factor_frac: float,
    controller_efficiency_frac: float,
    soiling_factor_frac: float,
    wiring_factor_frac: float,
    mismatch_factor_frac: float,
    shading_factor_frac: float,
    ageing_factor_frac: float,
    deployed_frac: float,
    acceptance_frac: float,
) -> float:
    return (
        temp_factor_frac
        * pwm_factor_frac
        * controller_efficiency_frac
        * soiling_factor_frac
        * wiring_factor_frac
        * mismatch_factor_frac
        * shading_factor_frac
        * ageing_factor_frac
        * deployed_frac
        * acceptance_frac
    )


@formula(says("solar-energy-per-day"), "E = P·PSH·derate", unit="Wh", source=Method("power.solar-day", "peak sun hours"))
def solar_energy(array_power_w: float, peak_sun_h: float, derate_frac: float) -> float:
    return array_power_w * peak_sun_h * derate_frac


def solar_yield_simple(inp: SolarYieldSimpleIn, sources: dict[str, Figure] | None = None) -> SolarYieldSimpleOut:
    """Energy per day from an array by peak sun hours. Method: power.solar-day."""
    g = Given(inp, sources)
    mppt = inp.controller_type == "mppt"
    temp = cell_temp(g("ambient_temp_c"), g("noct_c"), g("mean_irradiance_w_m2"), UPLIFT_K[inp.mounting])
    f_t = power_temp_factor(g("power_coeff_per_k"), temp) if mppt else given("temp_factor_frac", 1.0, "default", says("pwm-none"))
    f_pwm = 1.0 if mppt else min(1.0, inp.battery_voltage_v / (inp.panel_vmp_v or 1))
    eff = g("controller_efficiency_frac", 0.97 if mppt else 0.98, says("typical-type"))
    pwm = derived("pwm_factor_frac", says("with-mppt-bat-vmp"), f_pwm, Method("power.solar-day"), battery_voltage_v=g("battery_voltage_v"))
    derate = derate_product(
        f_t,
        pwm,
        eff,
        g("soiling_factor_frac"),
        g("wiring_factor_frac"),
        g("mismatch_factor_frac"),
        g("shading_factor_frac"),
        g("ageing_factor_frac"),
        g("deployed_frac"),
        g("acceptance_frac"),
    )
    energy = solar_energy(g("array_power_w"), g("peak_sun_h"), derate)
    daily = inp.daily_energy_wh
    per_watt = inp.peak_sun_h * derate.value
    return SolarYieldSimpleOut.of(
        cell_temp_c=temp,
        temp_factor_frac=f_t,
        pwm_factor_frac=pwm,
        derate_frac=derate,
        energy_wh=energy,
        charge_ah=derived(
            "charge_ah", "E/U", energy.value / inp.bank_voltage_v, Method("power.solar-day", "definition"), energy_wh=energy, bank_voltage_v=g("bank_voltage_v")
        ),
        covered_frac=derived("covered_frac", "E/daily", energy.value / daily, Method("power.solar-day", "definition"), energy_wh=energy, daily_energy_wh=daily)
        if daily
        else None,
        required_array_power_w=derived(
            "required_array_power_w",
            "daily/(PSH·derate)",
            daily / per_watt,
            Method("power.solar-day"),
            daily_energy_wh=daily,
            peak_sun_h=g("peak_sun_h"),
            derate_frac=derate,
        )
        if daily and per_watt > 0
        else None,
    )
