"""Load inventory to daily energy, profile and peak (method power.load-budget)."""

from __future__ import annotations

from typing import Annotated, ClassVar, Literal, NamedTuple, Self

from pydantic import BaseModel, Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, Whole, unique_ids, wrong
from bothy.core.figure import Figure, derived, formula, given, pick, total
from bothy.core.method.sources import Method, OwnChoice
from bothy.core.words.choices import word_of
from bothy.core.words.says import power_says as says

Season = Literal["summer", "shoulder", "winter"]
DayType = Literal["parked", "driving", "working"]
SEASONS: tuple[Season, ...] = ("winter", "shoulder", "summer")
Factor = Annotated[float, Field(ge=0, le=24)]
Frac = Annotated[float, Field(ge=0, le=1)]
PositiveFrac = Annotated[float, Field(gt=0, le=1)]

FORMS = ("power_w", "current_a", "energy_24h_wh", "charge_energy_wh")
USES = ("hours_per_day", "duty_frac", "volume_l_per_day", "uses_per_day")


class SeasonFactors(Contract):
    summer: Factor = 1
    shoulder: Factor = 1
    winter: Factor = 1


class DayFactors(Contract):
    parked: Factor = 1
    driving: Factor = 1
    working: Factor = 1


class InverterUse(Contract):
    efficiency_frac: PositiveFrac = 0.92
    idle_w: float = Field(15, ge=0, le=500)
    mode: Literal["always", "scheduled", "with_load"] = "always"
    on_h: float | None = Field(None, ge=0, le=24)

    @model_validator(mode="after")
    def _schedule(self) -> Self:
        if self.mode == "scheduled" and self.on_h is None:
            raise wrong("on_h", says("required-with-mode-scheduled"))
        return self


class LoadUse(BaseModel):
    """How a load is supplied, started and used, the same in the design and in the sum."""

    supply: Literal["dc", "converter", "ac"] = "dc"
    hours_per_day: float | None = Field(None, ge=0, le=24)
    duty_frac: float | None = Field(None, ge=0, le=1)
    minutes_per_use: float | None = Field(None, ge=0, le=1440)
    start_multiple: float = Field(1, ge=1, le=20)
    ambient_dependent: bool = False
    season_factors: SeasonFactors = SeasonFactors()
    day_factors: DayFactors = DayFactors()


class Load(Contract, LoadUse):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (FORMS,)
    id: str = Field(min_length=1, max_length=200)
    converter_efficiency_frac: PositiveFrac = 0.90
    count: Whole = Field(1, ge=0, le=1000)
    power_w: float | None = Field(None, ge=0, le=50000)
    current_a: float | None = Field(None, ge=0, le=5000)
    voltage_v: float | None = Field(None, gt=0, le=1000)
    energy_24h_wh: float | None = Field(None, ge=0, le=1e6)
    charge_energy_wh: float | None = Field(None, ge=0, le=1e6)
    volume_l_per_day: float | None = Field(None, ge=0, le=1e5)
    flow_l_min: float | None = Field(None, gt=0, le=1000)
    uses_per_day: float | None = Field(None, ge=0, le=10000)
    running_power_w: float | None = Field(None, gt=0, le=50000)
    charges_per_day: float = Field(1, ge=0, le=100)
    charge_efficiency_frac: PositiveFrac = 0.85
    internal_temp_c: float = Field(4, ge=-40, le=30)
    reference_temp_c: float = Field(25, ge=-30, le=60)
    standby_w: float = Field(0, ge=0, le=5000)
    coincidence_frac: Frac = 1
    from_shore: bool = False
    hourly_weights: list[Annotated[float, Field(ge=0)]] | None = Field(None, min_length=24, max_length=24)

    @model_validator(mode="after")
    def _forms(self) -> Self:
        form = self.exactly_one(*self.ONE_OF[0])
        if form == "current_a" and self.voltage_v is None:
            raise wrong("voltage_v", says("required-with-current"))
        if form in ("power_w", "current_a"):
            use = self.exactly_one(*USES)
            if use == "volume_l_per_day" and self.flow_l_min is None:
                raise wrong("flow_l_min", says("required-with-volume-per"))
            if use == "uses_per_day" and self.minutes_per_use is None:
                raise wrong("minutes_per_use", says("required-with-uses-per"))
            if self.running_power_w is not None:
                raise wrong("running_power_w", says("goes-only-with-energy"))
        else:
            for use in USES:
                if getattr(self, use) is not None:
                    raise wrong(use, says("does-not-go-with", form=form))
            if form == "energy_24h_wh" and self.running_power_w is not None:
                if self.running_power_w * 24 < (self.energy_24h_wh or 0) - 1e-9:
                    raise wrong("running_power_w", says("times-less-than-labels"))
        if self.ambient_dependent:
            if self.duty_frac is None and self.energy_24h_wh is None:
                raise wrong("ambient_dependent", says("goes-only-with-duty"))
            if self.reference_temp_c <= self.internal_temp_c:
                raise wrong("reference_temp_c", says("must-be-above-internal", internal_temp_c=self.internal_temp_c))
        if self.hourly_weights is not None and sum(self.hourly_weights) <= 0:
            raise wrong("hourly_weights", says("must-not-be-all"))
        return self


class LoadBudgetIn(Contract):
    bank_voltage_v: float = Field(12.8, ge=1, le=100)
    bank_min_voltage_v: float | None = Field(None, ge=1, le=100)
    season: Season = "winter"
    day_types: list[DayType] = Field(["parked", "driving", "working"], min_length=1)
    ambient_temp_c: float = Field(25, ge=-40, le=60)
    inverter: InverterUse = InverterUse()
    distribution_loss_frac: float = Field(0.02, ge=0, le=0.3)
    margin_frac: float = Field(0.10, ge=0, le=2)
    loads: list[Load]

    @model_validator(mode="after")
    def _whole(self) -> Self:
        if self.bank_min_voltage_v is not None and self.bank_min_voltage_v > self.bank_voltage_v:
            raise wrong("bank_min_voltage_v", says("must-be-at-most"))
        if len(set(self.day_types)) != len(self.day_types):
            raise wrong("day_types", says("each-type-at-most"))
        unique_ids(load.id for load in self.loads)
        return self


class LoadOut(Outcome):
    id: str
    power_w: float
    time_h: float
    energy_wh: float
    bank_energy_wh: float
    bank_charge_ah: float
    bank_power_w: float
    bank_current_a: float
    saturated: bool
    share_frac: float


class DayOut(Outcome):
    day_type: str
    energy_wh: float
    charge_ah: float


class LoadBudgetOut(Outcome):
    design_day_type: str
    energy_wh: float
    charge_ah: float
    design_energy_wh: float
    design_charge_ah: float
    mean_current_a: float
    ac_energy_wh: float
    inverter_on_h: float
    inverter_idle_wh: float
    inverter_loss_wh: float
    connected_power_w: float
    peak_power_w: float
    peak_current_a: float
    start_power_w: float
    start_current_a: float
    loads: list[LoadOut]
    hourly_wh: list[float]
    days: list[DayOut]
    rules: list[str]


@formula(says("power-amps"), "P = U·I", unit="W", source=Method("power.load-budget", "definition"))
def power_of(current_a: float, voltage_v: float) -> float:
    return current_a * voltage_v


@formula(
    says("cooling-run-time-another"),
    "r = max(0, Ta − Ti)/(Tr − Ti) · max(0.5, 1 + 0.02·(Ta − Tr))",
    unit="",
    source=Method("power.load-budget", "heat balance") + OwnChoice("typical"),
)
def cooling_ratio(ambient_temp_c: float, internal_temp_c: float, reference_temp_c: float) -> float:
    """Factor on the run time of a cooling appliance in air at ``ambient_temp_c``."""
    heat = max(0.0, ambient_temp_c - internal_temp_c) / (reference_temp_c - internal_temp_c)
    return heat * max(0.5, 1 + 0.02 * (ambient_temp_c - reference_temp_c))


@formula(says("running-time-per-day"), "h = min(24, h₀·season·day)", unit="h", source=Method("power.load-budget"))
def time_per_day(base_h: float, season_factor: float, day_factor: float) -> float:
    return min(24.0, base_h * season_factor * day_factor)


@formula(says("energy-appliance"), "E = n·(P·h + standby·(24 − h))", unit="Wh", source=Method("power.load-budget", "E = P·t"))
def appliance_energy(count: float, power_w: float, time_h: float, standby_w: float) -> float:
    return count * (power_w * time_h + standby_w * (24 - time_h))


@formula(says("energy-bank"), "E_b = E/κ", unit="Wh", source=Method("power.load-budget"))
def at_bank(energy_wh: float, path_efficiency_frac: float) -> float:
    return energy_wh / path_efficiency_frac


@formula(says("running-power-bank"), "P_b = n·P/κ", unit="W", source=Method("power.load-budget"))
def power_at_bank(count: float, power_w: float, path_efficiency_frac: float) -> float:
    return count * power_w / path_efficiency_frac


@formula(says("charge"), "Q = E/U", unit="Ah", source=Method("power.load-budget", "definition"))
def charge_of(energy_wh: float, bank_voltage_v: float) -> float:
    return energy_wh / bank_voltage_v


@formula(says("current"), "I = P/U", unit="A", source=Method("power.load-budget", "definition"))
def current_of(power_w: float, voltage_v: float) -> float:
    return power_w / voltage_v


@formula(says("design-energy-per-day"), "E·(1 + margin)", unit="Wh", source=Method("power.load-budget"))
def with_margin(energy_wh: float, margin_frac: float) -> float:
    return energy_wh * (1 + margin_frac)


@formula(says("inverters-own-use"), "E₀ = P₀·h_on", unit="Wh", source=Method("power.load-budget"))
def idle_energy(idle_w: float, on_h: float) -> float:
    return idle_w * on_h


@formula(says("loss-inverter"), "E₀ + E_ac·(1/η − 1)", unit="Wh", source=Method("power.load-budget"))
def inverter_loss(idle_wh: float, ac_energy_wh: float, efficiency_frac: float) -> float:
    return idle_wh + ac_energy_wh * (1 / efficiency_frac - 1)


def load_power_and_time(load: Load) -> tuple[float, float]:
    """Running power of one unit in W and base hours per day (steps 1 and 2)."""
    if load.energy_24h_wh is not None:
        power = load.running_power_w or 3 * load.energy_24h_wh / 24
        return power, load.energy_24h_wh / power if power else 0.0
    if load.charge_energy_wh is not None:
        power = load.running_power_w or load.charge_energy_wh / 2
        hours = load.charge_energy_wh * load.charges_per_day / load.charge_efficiency_frac / power if power else 0.0
        return power, hours
    power = load.power_w if load.power_w is not None else (load.current_a or 0) * (load.voltage_v or 0)
    if load.hours_per_day is not None:
        return power, load.hours_per_day
    if load.duty_frac is not None:
        return power, 24 * load.duty_frac
    if load.volume_l_per_day is not None:
        return power, load.volume_l_per_day / (load.flow_l_min or 1) / 60
    return power, (load.uses_per_day or 0) * (load.minutes_per_use or 0) / 60


def path_efficiency(load: Load, inverter_frac: float, loss_frac: float) -> float:
    """κ: what part of the energy leaving the bank reaches the appliance."""
    if load.supply == "ac":
        return inverter_frac
    return (1 - loss_frac) * (load.converter_efficiency_frac if load.supply == "converter" else 1.0)


class _Base:
    """What of a load does not change with the day type."""

    def __init__(self, load: Load, inp: LoadBudgetIn) -> None:
        self.load = load
        self.power_w, hours = load_power_and_time(load)
        if load.ambient_dependent:
            hours *= cooling_ratio.raw(inp.ambient_temp_c, load.internal_temp_c, load.reference_temp_c)
        self.base_h = hours
        self.season_factor: float = getattr(load.season_factors, inp.season)
        self.path = path_efficiency(load, inp.inverter.efficiency_frac, inp.distribution_loss_frac)

    def day_factor(self, day: str) -> float:
        return float(getattr(self.load.day_factors, day))

    def raw_h(self, day: str) -> float:
        return self.base_h * self.season_factor * self.day_factor(day)

    def bank_wh(self, day: str) -> float:
        if self.load.from_shore:
            return 0.0
        h = min(24.0, self.raw_h(day))
        return appliance_energy.raw(self.load.count, self.power_w, h, self.load.standby_w) / self.path


def _inverter_on_h(inp: LoadBudgetIn, bases: list[_Base], day: str) -> float:
    ac = [b for b in bases if b.load.supply == "ac" and b.load.count > 0 and not b.load.from_shore]
    if not ac:
        return 0.0
    if inp.inverter.mode == "always":
        return 24.0
    if inp.inverter.mode == "scheduled":
        return float(inp.inverter.on_h or 0)
    return min(24.0, sum(min(24.0, b.raw_h(day)) for b in ac))


class _Of(NamedTuple):
    """One load: its power, hours a day, energy, and what both are at the bank."""

    power: Figure
    hours: Figure
    energy: Figure
    bank: Figure
    bank_power: Figure


def _worked(b: _Base, day: DayType, src: dict[str, Figure]) -> _Of:
    load = b.load
    power = src.get(f"loads/{load.id}/power_w") or given("power_w", b.power_w, "input", label=says("running-power"))
    kappa = given("path_efficiency_frac", b.path, "default", says("distribution-loss-converter-or"))
    base = src.get(f"loads/{load.id}/base_h") or given("base_h", b.base_h)
    hours = time_per_day(base, given("season_factor", b.season_factor), given("day_factor", b.day_factor(day)))
    energy = appliance_energy(load.count, power, hours, load.standby_w)
    if load.from_shore:
        none = (given(k, 0.0, "computed", says("runs-on-hook-up"), source=Method("power.load-budget")) for k in ("bank_energy_wh", "bank_power_w"))
        return _Of(power, hours, energy, *none)
    return _Of(power, hours, energy, at_bank(energy, kappa), power_at_bank(load.count, power, kappa))


def _at_peak(load: Load, bank_power: Figure) -> Figure:
    """A load's share of the daily peak, W."""
    return Figure(
        bank_power.value * load.coincidence_frac,
        "W",
        says("at-peak", load_id=load.id),
        expression="k_co·P_b",
        source=Method("power.load-budget"),
        inputs=(("bank_power_w", bank_power),),
    )


def _spread(hourly: list[float], b: _Base, hours: float, energy_wh: float) -> None:
    """Adds a load's energy to the hours of the day, at the bank: what runs by its weights, standby evenly."""
    load = b.load
    weights = load.hourly_weights or [1.0] * 24
    weight_sum = sum(weights)
    run_wh = load.count * b.power_w * hours
    flat = (energy_wh - run_wh) / 24
    for i in range(0 if load.from_shore else 24):
        hourly[i] += (run_wh * weights[i] / weight_sum + flat) / b.path


class _Sums:
    """What a day's loads add up to: energy by hour, the daily peak, and what is wrong."""

    def __init__(self, inp: LoadBudgetIn, idle_wh: float, has_ac: bool) -> None:
        self.inverter = inp.inverter
        self.outs: list[LoadOut] = []
        self.parts: list[tuple[str, Figure]] = []
        self.ac_wh = 0.0
        self.hourly_wh = [idle_wh / 24] * 24
        self.rules: set[str] = set()
        self.peak = [given("idle_w", inp.inverter.idle_w if has_ac else 0.0, label=says("inverter-idle"))]
        self.connected_w = self.peak[0].value
        self.start_extra_w = 0.0

    def take(self, b: _Base, worked: tuple[Figure, Figure, Figure, Figure, Figure], bank_v: Figure, day: str, day_wh: float) -> None:
        """Adds a load with its worked power, hours, energy, and both at the bank."""
        load = b.load
        power, hours, energy, bank, bank_power = worked
        saturated = load.count > 0 and b.raw_h(day) > 24 + 1e-9
        if saturated:
            self.rules.add("power-load-saturated")
        if load.supply == "ac" and not load.from_shore:
            self.ac_wh += energy.value
            if self.inverter.mode == "scheduled" and load.count > 0 and hours.value > (self.inverter.on_h or 0) + 1e-9:
                self.rules.add("power-inverter-hours-short")
        _spread(self.hourly_wh, b, hours.value, energy.value)
        self.connected_w += bank_power.value
        self.peak.append(_at_peak(load, bank_power))
        if load.count > 0:
            self.start_extra_w = max(self.start_extra_w, (load.start_multiple - 1) * bank_power.value / load.count)
        self.parts.append((load.id, bank))
        self.outs.append(
            LoadOut.of(
                id=load.id,
                power_w=power,
                time_h=hours,
                energy_wh=energy,
                bank_energy_wh=bank,
                bank_charge_ah=charge_of(bank, bank_v),
                bank_power_w=bank_power,
                bank_current_a=current_of(bank_power, bank_v),
                saturated=saturated,
                share_frac=bank.value / day_wh if day_wh else 0.0,
            )
        )


def load_budget(inp: LoadBudgetIn, sources: dict[str, Figure] | None = None) -> LoadBudgetOut:
    """Daily energy, profile and peak of a list of loads on the hardest day type of a season.

    ``sources`` may hold figures for ``loads/<id>/power_w`` and the plain inputs. Source: method power.load-budget.
    """
    g = Given(inp, sources)
    src = sources or {}
    bases = [_Base(load, inp) for load in inp.loads]
    on_h = {d: _inverter_on_h(inp, bases, d) for d in inp.day_types}
    day_wh = {d: sum(b.bank_wh(d) for b in bases) + inp.inverter.idle_w * on_h[d] for d in inp.day_types}
    day = max(inp.day_types, key=lambda d: day_wh[d])

    bank_v = g("bank_voltage_v")
    min_v = g("bank_min_voltage_v", 0.9375 * inp.bank_voltage_v, says("bank-voltage"))
    has_ac = any(b.load.supply == "ac" and b.load.count > 0 and not b.load.from_shore for b in bases)
    idle = idle_energy(given("idle_w", inp.inverter.idle_w), given("on_h", on_h[day]))

    sums = _Sums(inp, idle.value, has_ac)
    for b in bases:
        sums.take(b, _worked(b, day, src), bank_v, day, day_wh[day])
    outs, rules = sums.outs, sums.rules
    energy_all = total(says("energy-per-at-bank"), "Wh", [*sums.parts, (says("inverter-idle"), idle)], Method("power.load-budget"))
    ac_fig = derived(
        "ac_energy_wh",
        "Σ E of the mains appliances",
        sums.ac_wh,
        Method("power.load-budget"),
        **{x.id: x.figure("energy_wh") for x, b in zip(outs, bases, strict=True) if b.load.supply == "ac"},
    )
    design = with_margin(energy_all, g("margin_frac"))
    peak_w = total(says("power-at-daily-peak"), "W", [(f.label, f) for f in sums.peak], Method("power.load-budget"))
    start_w = pick(
        says("power-while-hardest-motor"),
        "P_peak + largest (start multiple − 1)·P_b/n",
        peak_w.value + sums.start_extra_w,
        "W",
        Method("power.load-budget", "one motor starts at a time"),
        peak_w=peak_w,
        start_extra_w=sums.start_extra_w,
    )
    if has_ac and idle.value > 0.15 * day_wh[day] + 1e-9:
        rules.add("power-inverter-idle-heavy")
    return LoadBudgetOut.of(
        design_day_type=day,
        energy_wh=energy_all,
        charge_ah=charge_of(energy_all, bank_v),
        design_energy_wh=design,
        design_charge_ah=charge_of(design, bank_v),
        mean_current_a=derived(
            "mean_current_a",
            "E/(24 h·U)",
            energy_all.value / 24 / inp.bank_voltage_v,
            Method("power.load-budget", "definition"),
            energy_wh=energy_all,
            bank_voltage_v=bank_v,
        ),
        ac_energy_wh=ac_fig,
        inverter_on_h=derived("inverter_on_h", says("mode", mode=word_of(inp.inverter.mode)), on_h[day], Method("power.load-budget")),
        inverter_idle_wh=idle,
        inverter_loss_wh=inverter_loss(idle, ac_fig, inp.inverter.efficiency_frac),
        connected_power_w=derived("connected_power_w", "P₀ + Σ P_b, all at once", sums.connected_w, Method("power.load-budget"), peak_power_w=peak_w),
        peak_power_w=peak_w,
        peak_current_a=current_of(peak_w, min_v),
        start_power_w=start_w,
        start_current_a=current_of(start_w, min_v),
        loads=outs,
        hourly_wh=sums.hourly_wh,
        days=[DayOut.of(day_type=d, energy_wh=day_wh[d], charge_ah=day_wh[d] / inp.bank_voltage_v) for d in inp.day_types],
        rules=sorted(rules),
    )
