"""Bank: from units, by need, and how long it runs (method power.bank-units)."""

from __future__ import annotations

import math
from typing import ClassVar, Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import BadInput, Contract, Given, Outcome, Whole, wrong
from bothy.core.design.power import Bank
from bothy.core.figure import Figure, derived, formula, given, pick
from bothy.core.method.sources import Method
from bothy.core.power.chemistry import CHEMISTRIES, Chemistry, ChemistryKey, SystemVoltage, capacity_factor
from bothy.core.words.says import power_says as says

Wiring = Literal["diagonal", "same_end", "busbar"]


def most_charge_a(bank: Bank) -> float:
    """What a bank may be charged with, in A: by its data sheet, else as is usual of its chemistry."""
    return (bank.unit_max_charge_a or CHEMISTRIES[bank.chemistry].max_charge_c * bank.unit_charge_ah) * bank.parallel_count


def cells_of_unit(chem: Chemistry, unit_voltage_v: float) -> int:
    """Cells in series inside one unit, from its label voltage."""
    if chem.key == "lifepo4":
        whole = any(abs(unit_voltage_v - v) < 1e-9 for v in (3, 6, 12, 24, 36, 48))
        cells = round(unit_voltage_v / 3) if whole else round(unit_voltage_v / 3.2)
    elif chem.key == "nmc":
        cells = round(unit_voltage_v / 3.65)
    else:
        cells = round(unit_voltage_v / 2)
    return max(1, cells)


class BankConfigureIn(Contract):
    chemistry: ChemistryKey
    unit_voltage_v: float = Field(gt=0, le=60)
    unit_charge_ah: float = Field(gt=0, le=5000)
    unit_cells_count: Whole | None = Field(None, ge=1, le=100)
    series_count: Whole = Field(1, ge=1, le=100)
    parallel_count: Whole = Field(1, ge=1, le=100)
    unit_max_discharge_a: float | None = Field(None, gt=0, le=5000)
    unit_max_charge_a: float | None = Field(None, gt=0, le=5000)
    unit_max_series_count: Whole | None = Field(None, ge=1, le=100)
    max_parallel_count: Whole | None = Field(None, ge=1, le=100)
    unit_mass_kg: float | None = Field(None, gt=0, le=2000)
    unit_resistance_mohm: float | None = Field(None, gt=0, le=10000)
    link_resistance_mohm: float = Field(0.2, ge=0, le=100)
    wiring: Wiring = "diagonal"
    load_current_a: float | None = Field(None, ge=0, le=20000)
    charge_current_a: float | None = Field(None, ge=0, le=20000)
    system_voltage_v: SystemVoltage | None = None
    units_identical: bool = True
    age_spread_months: float = Field(0, ge=0, le=600)
    usable_frac: float | None = Field(None, gt=0, le=1)

    @model_validator(mode="after")
    def _cell_voltage(self) -> Self:
        chem = CHEMISTRIES[self.chemistry]
        cells = self.unit_cells_count or cells_of_unit(chem, self.unit_voltage_v)
        ratio = self.unit_voltage_v / cells / chem.cell_v
        if not 0.9 - 1e-9 <= ratio <= 1.1 + 1e-9:
            raise wrong("unit_voltage_v", says("does-not-fit-cells", cells=cells, cell_v=chem.cell_v, chem_name=chem.name))
        return self


class BankConfigureOut(Outcome):
    voltage_v: float
    charge_ah: float
    energy_wh: float
    usable_energy_wh: float
    units_count: int
    cells_count: int
    mass_kg: float
    resistance_mohm: float
    absorption_v: float
    float_v: float | None
    low_cutoff_v: float
    string_share_frac: list[float]
    sharing_ratio: float
    max_discharge_a: float
    max_charge_a: float
    string_currents_a: list[float] | None
    rules: list[str]


S36 = Method("power.bank-units")
S37 = Method("power.bank-size")


@formula(says("bank-voltage-2"), "U = s·u", unit="V", source=Method("power.bank-units", "series adds voltage"))
def series_voltage(series_count: float, unit_voltage_v: float) -> float:
    return series_count * unit_voltage_v


@formula(says("bank-capacity"), "C = p·c", unit="Ah", source=Method("power.bank-units", "parallel adds capacity"))
def parallel_charge(parallel_count: float, unit_charge_ah: float) -> float:
    return parallel_count * unit_charge_ah


@formula(says("energy"), "E = U·C", unit="Wh", source=Method("power.chemistries", "definition"))
def stored_energy(voltage_v: float, charge_ah: float) -> float:
    return voltage_v * charge_ah


@formula(says("usable-energy"), "E·DoD", unit="Wh", source=Method("power.chemistries", "normal depth of discharge"))
def usable_of(energy_wh: float, usable_frac: float) -> float:
    return energy_wh * usable_frac


@formula(says("largest-current-bank"), "I_unit/largest share", unit="A", source=Method("power.bank-units", "the hardest-worked string is at its limit"))
def bank_limit(unit_limit_a: float, largest_share_frac: float) -> float:
    return unit_limit_a / largest_share_frac


def string_shares(strings: int, ratio: float, wiring: Wiring) -> list[float]:
    """Share of the current each parallel string takes; ``ratio`` = link ÷ string resistance (Kirchhoff)."""
    if strings == 1 or wiring == "busbar":
        return [1 / strings] * strings
    if wiring == "same_end":
        shares = [1.0]
        acc = 1.0
        for _ in range(strings - 1):
            shares.append(shares[-1] + 2 * ratio * acc)
            acc += shares[-1]
        shares.reverse()
        return [s / acc for s in shares]
    a, b = [1.0], [0.0]
    for _ in range(strings - 1):
        a.append(a[-1] + 2 * ratio * sum(a))
        b.append(b[-1] - ratio * (1 - 2 * sum(b)))
    x = (1 - sum(b)) / sum(a)
    return [ai * x + bi for ai, bi in zip(a, b, strict=True)]


def bank_configure(inp: BankConfigureIn, sources: dict[str, Figure] | None = None) -> BankConfigureOut:
    """A bank from identical units: voltages, limits, mass and how parallel strings share. Method: power.bank-units."""
    g = Given(inp, sources)
    chem = CHEMISTRIES[inp.chemistry]
    unit_cells = inp.unit_cells_count or cells_of_unit(chem, inp.unit_voltage_v)
    cells = unit_cells * inp.series_count
    unit_r = inp.unit_resistance_mohm or chem.r_k / inp.unit_charge_ah * (unit_cells * chem.cell_v / 12)
    string_r = unit_r * inp.series_count
    shares = string_shares(inp.parallel_count, inp.link_resistance_mohm / string_r, inp.wiring)
    if min(shares) <= 0:
        raise BadInput("link_resistance_mohm", says("so-large-that-string"))
    voltage = series_voltage(g("series_count"), g("unit_voltage_v"))
    charge = parallel_charge(g("parallel_count"), g("unit_charge_ah"))
    energy = stored_energy(voltage, charge)
    largest = given("largest_share_frac", max(shares), "computed", says("kirchhoff-over-links"), source=Method("power.bank-units"))
    discharge = bank_limit(g("unit_max_discharge_a", chem.max_discharge_c * inp.unit_charge_ah, "typical C-rate × unit capacity"), largest)
    charging = bank_limit(g("unit_max_charge_a", chem.max_charge_c * inp.unit_charge_ah, "typical C-rate × unit capacity"), largest)
    units = inp.series_count * inp.parallel_count
    unit_mass = inp.unit_mass_kg or chem.kg_per_kwh * inp.unit_voltage_v * inp.unit_charge_ah / 1000
    ratio = max(shares) / min(shares)
    per_cell = given("cells_count", cells, "computed", "cells of a unit × units in series", source=Method("power.bank-units"))

    def by_cells(key: str, cell_v: float) -> Figure:
        return derived(key, "cells·volts per cell", cell_v * cells, Method("power.chemistries", chem.name), cells_count=per_cell, cell_voltage_v=cell_v)

    rules = set()
    if not inp.units_identical:
        rules.add("power-bank-units-mixed")
    if inp.age_spread_months > 6 and units > 1:
        rules.add("power-bank-age-mixed")
    if inp.series_count > (inp.unit_max_series_count or max(1, math.floor(51.3 / inp.unit_voltage_v + 1e-9))):
        rules.add("power-bank-series-limit")
    if inp.parallel_count > (inp.max_parallel_count or chem.parallel_max):
        rules.add("power-bank-parallel-many")
    if inp.parallel_count > 1 and inp.wiring == "same_end":
        rules.add("power-bank-same-end")
    if ratio > 1.10 + 1e-9:
        rules.add("power-bank-sharing")
    if inp.load_current_a is not None and inp.load_current_a > discharge.value + 1e-9:
        rules.add("power-bank-discharge-limit")
    if inp.charge_current_a is not None and inp.charge_current_a > charging.value + 1e-9:
        rules.add("power-bank-charge-limit")
    if inp.system_voltage_v is not None:
        part = voltage.value / inp.system_voltage_v
        if not 0.95 - 1e-9 <= part <= 1.10 + 1e-9:
            rules.add("power-bank-voltage-mismatch")
    return BankConfigureOut.of(
        voltage_v=voltage,
        charge_ah=charge,
        energy_wh=energy,
        usable_energy_wh=usable_of(energy, g("usable_frac", chem.usable_frac, says("normal-depth-discharge", chem_name=chem.name))),
        units_count=derived("units_count", "s·p", units, S36, series_count=inp.series_count, parallel_count=inp.parallel_count),
        cells_count=per_cell,
        mass_kg=derived("mass_kg", "units·mass", unit_mass * units, S36, units_count=units, unit_mass_kg=unit_mass),
        resistance_mohm=derived(
            "resistance_mohm",
            "s·r/p",
            string_r / inp.parallel_count,
            S36,
            unit_resistance_mohm=unit_r,
            series_count=inp.series_count,
            parallel_count=inp.parallel_count,
        ),
        absorption_v=by_cells("absorption_v", chem.absorption),
        float_v=by_cells("float_v", chem.float_v) if chem.float_v else None,
        low_cutoff_v=by_cells("low_cutoff_v", chem.low_cutoff),
        string_share_frac=shares,
        sharing_ratio=derived(
            "sharing_ratio",
            says("largest-share-least-share"),
            ratio,
            Method("power.bank-units", "Kirchhoff over the links"),
            largest_share_frac=max(shares),
            least_share_frac=min(shares),
        ),
        max_discharge_a=discharge,
        max_charge_a=charging,
        string_currents_a=[s * inp.load_current_a for s in shares] if inp.load_current_a is not None else None,
        rules=sorted(rules),
    )


class BankSizeIn(Contract):
    chemistry: ChemistryKey
    daily_energy_wh: float = Field(gt=0, le=1e6)
    autonomy_days: float = Field(2, gt=0, le=60)
    daily_input_wh: float = Field(0, ge=0, le=1e6)
    floor_energy_wh: float | None = Field(None, ge=0, le=1e6)
    system_voltage_v: SystemVoltage = 12
    usable_frac: float | None = Field(None, gt=0, le=1)
    bank_temp_c: float = Field(10, ge=-40, le=70)
    end_of_life_frac: float = Field(0.8, ge=0.5, le=1)
    peak_current_a: float = Field(0, ge=0, le=20000)
    mean_discharge_current_a: float | None = Field(None, gt=0, le=20000)
    peukert_exponent: float | None = Field(None, ge=1, le=1.6)
    rated_hours_h: float = Field(20, ge=1, le=100)
    max_discharge_c_per_h: float | None = Field(None, gt=0, le=10)
    unit_charge_ah: float | None = Field(None, gt=0, le=5000)
    unit_series_count: Whole = Field(1, ge=1, le=100)


class BankSizeOut(Outcome):
    bank_voltage_v: float
    need_wh: float
    temp_factor_frac: float
    peukert_factor_frac: float
    by_energy_ah: float
    by_current_ah: float
    governing: Literal["energy", "current"]
    required_charge_ah: float
    required_energy_wh: float
    parallel_count: int | None
    units_count: int | None
    installed_charge_ah: float
    installed_energy_wh: float
    mass_kg: float
    usable_new_wh: float
    usable_end_of_life_wh: float
    autonomy_new_days: float | None
    autonomy_end_of_life_days: float | None


@formula(says("energy-bank-must-hold"), "max(floor, days·max(0, daily − input))", unit="Wh", source=Method("power.bank-size"))
def bank_need(floor_energy_wh: float, autonomy_days: float, daily_energy_wh: float, daily_input_wh: float) -> float:
    return max(floor_energy_wh, autonomy_days * max(0.0, daily_energy_wh - daily_input_wh))


@formula(says("usable-charge-needed"), "q = need/(U·DoD·f_T·EoL)", unit="Ah", source=Method("power.bank-size"))
def usable_charge_needed(need_wh: float, bank_voltage_v: float, usable_frac: float, temp_factor_frac: float, end_of_life_frac: float) -> float:
    return need_wh / (bank_voltage_v * usable_frac * temp_factor_frac * end_of_life_frac)


@formula(says("capacity-energy"), "C = q, or (q·(H·I)^(k−1))^(1/k) where q < H·I", unit="Ah", source=Method("power.bank-size", "Peukert"))
def by_energy(usable_charge_ah: float, rated_hours_h: float, mean_current_a: float, peukert_exponent: float) -> float:
    knee = rated_hours_h * mean_current_a
    if usable_charge_ah >= knee - 1e-9:
        return usable_charge_ah
    return float((usable_charge_ah * knee ** (peukert_exponent - 1)) ** (1 / peukert_exponent))


@formula(says("capacity-current"), "C = I_peak/C-rate", unit="Ah", source=Method("power.bank-size"))
def by_current(peak_current_a: float, max_discharge_c_per_h: float) -> float:
    return peak_current_a / max_discharge_c_per_h


@formula(says("usable-energy-when-new"), "C·U·DoD·f_T·f_P", unit="Wh", source=Method("power.bank-size"))
def usable_new(charge_ah: float, bank_voltage_v: float, usable_frac: float, temp_factor_frac: float, peukert_factor_frac: float) -> float:
    return charge_ah * bank_voltage_v * usable_frac * temp_factor_frac * peukert_factor_frac


@formula(says("usable-energy-end-life"), "usable when new·EoL", unit="Wh", source=Method("power.bank-size"))
def usable_old(usable_new_wh: float, end_of_life_frac: float) -> float:
    return usable_new_wh * end_of_life_frac


def peukert_factor(charge_ah: float, rated_hours_h: float, current_a: float, exponent: float) -> float:
    """Part of the rated capacity that can be drawn at ``current_a`` (1 at no current)."""
    if current_a <= 0:
        return 1.0
    return float(min(1.0, (charge_ah / (rated_hours_h * current_a)) ** (exponent - 1)))


def bank_size(inp: BankSizeIn, sources: dict[str, Figure] | None = None) -> BankSizeOut:
    """The capacity that carries the stay, cold and worn, and the largest current. Method: power.bank-size."""
    g = Given(inp, sources)
    chem = CHEMISTRIES[inp.chemistry]
    volts = given("bank_voltage_v", chem.bank_v(inp.system_voltage_v), "table", f"{chem.name}, {inp.system_voltage_v} V")
    need = bank_need(g("floor_energy_wh", inp.daily_energy_wh, says("one-full")), g("autonomy_days"), g("daily_energy_wh"), g("daily_input_wh"))
    f_t = given("temp_factor_frac", capacity_factor(inp.chemistry, inp.bank_temp_c), "table", says("capacity-at", bank_temp_c=inp.bank_temp_c))
    dod = g("usable_frac", chem.usable_frac, says("normal-depth-discharge", chem_name=chem.name))
    eol = g("end_of_life_frac")
    mean = g("mean_discharge_current_a", inp.daily_energy_wh / 24 / volts.value, says("energy-over"))
    k = g("peukert_exponent", chem.peukert, chem.name)
    energy_ah = by_energy(usable_charge_needed(need, volts, dod, f_t, eol), g("rated_hours_h"), mean, k)
    current_ah = by_current(g("peak_current_a"), g("max_discharge_c_per_h", chem.max_discharge_c, chem.name))
    governing: Literal["energy", "current"] = "energy" if energy_ah.value >= current_ah.value - 1e-9 else "current"
    required = pick(
        says("required-capacity"),
        says("larger-by-energy-and"),
        max(energy_ah.value, current_ah.value),
        "Ah",
        Method("power.bank-size"),
        by_energy_ah=energy_ah,
        by_current_ah=current_ah,
    )
    strings = units = None
    installed = required
    if inp.unit_charge_ah is not None:
        strings = max(1, math.ceil(required.value / inp.unit_charge_ah - 1e-9))
        units = strings * inp.unit_series_count
        installed = parallel_charge(strings, inp.unit_charge_ah).named(says("installed-capacity"))
    f_p = derived(
        "peukert_factor_frac",
        "min(1, (C/(H·I))^(k−1))",
        peukert_factor(installed.value, inp.rated_hours_h, mean.value, k.value),
        Method("power.bank-size", "Peukert"),
        charge_ah=installed,
        rated_hours_h=g("rated_hours_h"),
        current_a=mean,
        peukert_exponent=k,
    )
    new = usable_new(installed, volts, dod, f_t, f_p)
    old = usable_old(new, eol)
    net = inp.daily_energy_wh - inp.daily_input_wh

    def autonomy(key: str, usable: Figure) -> Figure | None:
        return (
            derived(
                key,
                "usable/(daily − input)",
                usable.value / net,
                S37,
                usable_wh=usable,
                daily_energy_wh=g("daily_energy_wh"),
                daily_input_wh=g("daily_input_wh"),
            )
            if net > 0
            else None
        )

    return BankSizeOut.of(
        bank_voltage_v=volts,
        need_wh=need,
        temp_factor_frac=f_t,
        peukert_factor_frac=f_p,
        by_energy_ah=energy_ah,
        by_current_ah=current_ah,
        governing=governing,
        required_charge_ah=required,
        required_energy_wh=stored_energy(volts, required),
        parallel_count=derived(
            "parallel_count", says("required-unit-rounded-up"), strings, S37, required_charge_ah=required, unit_charge_ah=inp.unit_charge_ah or 0
        )
        if strings
        else None,
        units_count=derived("units_count", "strings·units in series", units, S37, unit_series_count=inp.unit_series_count) if units else None,
        installed_charge_ah=installed,
        installed_energy_wh=stored_energy(volts, installed),
        mass_kg=derived(
            "mass_kg",
            "kg per kWh·C·U/1000",
            chem.kg_per_kwh * installed.value * volts.value / 1000,
            Method("power.bank-size", "typical of the chemistry"),
            charge_ah=installed,
            bank_voltage_v=volts,
        ),
        usable_new_wh=new,
        usable_end_of_life_wh=old,
        autonomy_new_days=autonomy("autonomy_new_days", new),
        autonomy_end_of_life_days=autonomy("autonomy_end_of_life_days", old),
    )


class BankRuntimeIn(Contract):
    ONE_OF: ClassVar[tuple[tuple[str, ...], ...]] = (("load_power_w", "load_current_a", "ac_power_w"),)
    chemistry: ChemistryKey
    capacity_ah: float = Field(gt=0, le=20000)
    system_voltage_v: SystemVoltage = 12
    load_power_w: float | None = Field(None, ge=0, le=2e5)
    load_current_a: float | None = Field(None, ge=0, le=20000)
    ac_power_w: float | None = Field(None, ge=0, le=2e5)
    inverter_efficiency_frac: float = Field(0.92, gt=0, le=1)
    inverter_idle_w: float = Field(15, ge=0, le=500)
    soc_start_frac: float = Field(1, ge=0, le=1)
    soc_end_frac: float | None = Field(None, ge=0, le=1)
    bank_temp_c: float = Field(20, ge=-40, le=70)
    health_frac: float = Field(1, gt=0, le=1.2)
    peukert_exponent: float | None = Field(None, ge=1, le=1.6)
    rated_hours_h: float = Field(20, ge=1, le=100)
    standby_current_a: float = Field(0, ge=0, le=100)
    self_discharge_per_month_frac: float | None = Field(None, ge=0, le=0.5)
    max_discharge_a: float | None = Field(None, gt=0, le=20000)

    @model_validator(mode="after")
    def _check(self) -> Self:
        self.exactly_one(*self.ONE_OF[0])
        end = self.soc_end_frac if self.soc_end_frac is not None else 1 - CHEMISTRIES[self.chemistry].usable_frac
        if end >= self.soc_start_frac - 1e-12:
            raise wrong("soc_end_frac", says("must-be-below-soc", end=end, soc_start_frac=self.soc_start_frac))
        return self


class BankRuntimeOut(Outcome):
    current_a: float
    self_discharge_a: float
    c_rate_per_h: float
    temp_factor_frac: float
    peukert_factor_frac: float
    usable_charge_ah: float
    usable_energy_wh: float
    time_h: float | None
    rules: list[str]


@formula(says("inverter-current-bank"), "I = (P/η + P₀)/U", unit="A", source=Method("power.bank-runtime"))
def inverter_draw(ac_power_w: float, efficiency_frac: float, idle_w: float, bank_voltage_v: float) -> float:
    return (ac_power_w / efficiency_frac + idle_w) / bank_voltage_v


@formula(says("charge-can-drawn"), "Q = C·health·f_T·f_P·(SoC₀ − SoC₁)", unit="Ah", source=Method("power.bank-runtime"))
def drawable(capacity_ah: float, health_frac: float, temp_factor_frac: float, peukert_factor_frac: float, soc_start_frac: float, soc_end_frac: float) -> float:
    return capacity_ah * health_frac * temp_factor_frac * peukert_factor_frac * (soc_start_frac - soc_end_frac)


@formula(says("run-time"), "t = Q/(I + I_self)", unit="h", source=Method("power.bank-runtime"))
def run_time(charge_ah: float, current_a: float, self_discharge_a: float) -> float:
    return charge_ah / (current_a + self_discharge_a)


def bank_runtime(inp: BankRuntimeIn, sources: dict[str, Figure] | None = None) -> BankRuntimeOut:
    """How long a bank carries a load. Method: power.bank-runtime."""
    g = Given(inp, sources)
    chem = CHEMISTRIES[inp.chemistry]
    volts = given("bank_voltage_v", chem.bank_v(inp.system_voltage_v), "table", chem.name)
    if inp.load_current_a is not None:
        load = g("load_current_a")
    elif inp.load_power_w is not None:
        load = Figure(
            inp.load_power_w / volts.value,
            "A",
            says("load-current"),
            expression="I = P/U",
            source=Method("power.bank-runtime", "definition"),
            inputs=(("load_power_w", g("load_power_w")), ("bank_voltage_v", volts)),
        )
    else:
        load = inverter_draw(g("ac_power_w"), g("inverter_efficiency_frac"), g("inverter_idle_w"), volts)
    current = Figure(
        load.value + inp.standby_current_a,
        "A",
        says("current-with-standby"),
        expression="I + standby",
        source=Method("power.bank-runtime", "sum"),
        inputs=(("load", load), ("standby_current_a", g("standby_current_a"))),
    )
    monthly = g("self_discharge_per_month_frac", chem.self_month, chem.name)
    self_a = derived(
        "self_discharge_a",
        "per month·C/730.5 h",
        monthly.value * inp.capacity_ah / 730.5,
        Method("power.bank-runtime"),
        self_discharge_per_month_frac=monthly,
        capacity_ah=g("capacity_ah"),
    )
    k = g("peukert_exponent", chem.peukert, chem.name)
    f_t = given("temp_factor_frac", capacity_factor(inp.chemistry, inp.bank_temp_c), "table", says("capacity-at", bank_temp_c=inp.bank_temp_c))
    f_p = given(
        "peukert_factor_frac",
        peukert_factor(inp.capacity_ah, inp.rated_hours_h, current.value, k.value),
        "computed",
        "min(1, (C/(H·I))^(k−1))",
        source=Method("power.bank-runtime"),
    )
    end = g("soc_end_frac", 1 - chem.usable_frac, says("normal-depth-discharge-2"))
    charge = drawable(g("capacity_ah"), g("health_frac"), f_t, f_p, g("soc_start_frac"), end)
    rules = set()
    limit = inp.max_discharge_a or chem.max_discharge_c * inp.capacity_ah
    if current.value > limit + 1e-9:
        rules.add("power-bank-discharge-limit")
    if end.value < 1 - chem.usable_frac - 1e-9:
        rules.add("power-bank-too-deep")
    return BankRuntimeOut.of(
        current_a=current,
        self_discharge_a=self_a,
        c_rate_per_h=derived(
            "c_rate_per_h", "I/C", current.value / inp.capacity_ah, Method("power.bank-runtime", "definition"), current_a=current, capacity_ah=g("capacity_ah")
        ),
        temp_factor_frac=f_t,
        peukert_factor_frac=f_p,
        usable_charge_ah=charge,
        usable_energy_wh=stored_energy(volts, charge),
        time_h=run_time(charge, current, self_a) if current.value + self_a.value > 0 else None,
        rules=sorted(rules),
    )
