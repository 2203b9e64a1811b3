"""LPG as a mixture: heat, density, vapour pressure, and what a vessel still gives in the cold (method gas.mixture)."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.constants import R_GAS, SEA_PA, ZERO_K
from bothy.core.contract import EPS, Contract, Given, Outcome, wrong
from bothy.core.figure import Figure, derived, given
from bothy.core.method.sources import Cited, Method
from bothy.core.root import reached
from bothy.core.words.says import gas_says as says

GasKey = Literal["propane", "butane", "mix_70_30", "mix_50_50", "mix_30_70"]
ATM_MBAR = SEA_PA / 100
NAMES = ("propane", "isobutane", "n_butane")


@dataclass(frozen=True, slots=True)
class Component:
    """One hydrocarbon: Wagner constants, T_c in K, p_c in bar, M in g/mol, T_b in K, kJ/kg, MJ/kg, kg/L at 15 °C, 1/K, Z, µPa·s, LEL share,
    kJ/(kg·K), kg water per kg."""

    wagner: tuple[float, float, float, float]
    tc: float
    pc: float
    m: float
    tb: float
    hb: float
    hs: float
    hi: float
    rho15: float
    beta: float
    z: float
    mu: float
    lel: float
    cp: float
    water: float


COMPONENTS = (
    Component((-6.72219, 1.33236, -2.13868, -1.38551), 369.8, 42.5, 44.096, 231.05, 425.6, 50.33, 46.33, 0.5075, 0.00276, 0.982, 8.0, 0.017, 2.50, 1.634),
    Component((-6.95579, 1.50090, -2.52717, -1.49776), 408.2, 36.5, 58.122, 261.40, 365.1, 49.37, 45.58, 0.5629, 0.00203, 0.969, 7.4, 0.013, 2.38, 1.550),
    Component((-6.88709, 1.15157, -1.99873, -3.13003), 425.2, 38.0, 58.122, 272.66, 385.7, 49.51, 45.72, 0.5843, 0.00191, 0.965, 7.3, 0.014, 2.37, 1.550),
)
"""method gas.mixture; LEL of IEC 60079-20-1."""
PRESETS: dict[str, tuple[float, float, float]] = {
    "propane": (1, 0, 0),
    "butane": (0, 0.30, 0.70),
    "mix_70_30": (0.70, 0.09, 0.21),
    "mix_50_50": (0.50, 0.15, 0.35),
    "mix_30_70": (0.30, 0.21, 0.49),
}
COLDEST, HOTTEST = -100.0, 90.0


def pure_mbar(c: Component, temp_c: float) -> float:
    """Vapour pressure of one component in mbar absolute (Wagner form)."""
    t = temp_c + ZERO_K
    tau = 1 - t / c.tc
    if tau <= 0:
        return 1000 * c.pc
    a, b, cc, d = c.wagner
    return 1000 * c.pc * math.exp(c.tc / t * (a * tau + b * tau**1.5 + cc * tau**3 + d * tau**6))


@dataclass(frozen=True)
class Mixture:
    """A liquid of propane, isobutane and n-butane by mass shares."""

    w: tuple[float, float, float]

    @cached_property
    def m(self) -> float:
        """g/mol."""
        return float(1 / sum(w / c.m for w, c in zip(self.w, COMPONENTS, strict=True)))

    @cached_property
    def x(self) -> tuple[float, ...]:
        """Mole shares of the liquid."""
        return tuple(w / c.m * self.m for w, c in zip(self.w, COMPONENTS, strict=True))

    def by_mass(self, key: str) -> float:
        """A mass-weighted property."""
        return sum(w * float(getattr(c, key)) for w, c in zip(self.w, COMPONENTS, strict=True))

    def by_mole(self, key: str) -> float:
        """A mole-weighted property."""
        return sum(x * float(getattr(c, key)) for x, c in zip(self.x, COMPONENTS, strict=True))

    @property
    def kwh_kg_gross(self) -> float:
        return self.by_mass("hs") / 3.6

    @property
    def kwh_kg_net(self) -> float:
        return self.by_mass("hi") / 3.6

    def kwh_kg(self, basis: str) -> float:
        """Heat value on the basis that a plate names."""
        return self.kwh_kg_gross if basis == "gross" else self.kwh_kg_net

    def liquid_kg_l(self, temp_c: float) -> float:
        """Liquid density."""
        return float(1 / sum(w / (c.rho15 * (1 - c.beta * (temp_c - 15))) for w, c in zip(self.w, COMPONENTS, strict=True)))

    def gas_kg_m3(self, abs_mbar: float, temp_c: float) -> float:
        """Gas density."""
        return abs_mbar * 100 * self.m / 1000 / (self.by_mole("z") * R_GAS * (temp_c + ZERO_K))

    def viscosity(self, temp_c: float) -> float:
        """Gas viscosity in Pa·s."""
        return float(self.by_mole("mu") * 1e-6 * ((temp_c + ZERO_K) / 293.15) ** 0.95)

    @cached_property
    def lel(self) -> float:
        """Lower explosive limit as a volume share (Le Chatelier)."""
        return 1 / sum(x / c.lel for x, c in zip(self.x, COMPONENTS, strict=True))

    def vaporisation_kj_kg(self, temp_c: float) -> float:
        """Heat of vaporisation (Watson, 2 %)."""
        t = temp_c + ZERO_K
        return float(sum(w * c.hb * ((1 - t / c.tc) / (1 - c.tb / c.tc)) ** 0.38 for w, c in zip(self.w, COMPONENTS, strict=True)))

    def vapour_mbar(self, temp_c: float) -> float:
        """Pressure over the fresh liquid, absolute (Raoult)."""
        return sum(x * pure_mbar(c, temp_c) for x, c in zip(self.x, COMPONENTS, strict=True))

    def coldest_c(self, least_abs_mbar: float) -> float:
        """Temperature at which the fresh liquid just gives a pressure."""
        return _coldest_c(self, least_abs_mbar)

    def _coldest_at(self, least_abs_mbar: float) -> float:
        return reached(self.vapour_mbar, least_abs_mbar, COLDEST, HOTTEST)

    def usable(self, temp_c: float, least_abs_mbar: float) -> float:
        """Share of a full vessel that comes out before the rest can't: propane leaves first (Rayleigh)."""
        return _usable(self, temp_c, least_abs_mbar)

    def _distilled(self, temp_c: float, least_abs_mbar: float) -> float:
        ps = [pure_mbar(c, temp_c) for c in COMPONENTS]
        if all(p >= least_abs_mbar - EPS for x, p in zip(self.x, ps, strict=True) if x > 0):
            return 1.0

        def left(s: float) -> list[float]:
            return [x * math.exp(-p * s) for x, p in zip(self.x, ps, strict=True)]

        def pressure(s: float) -> float:
            # the same factor above and below keeps the sum from vanishing
            low = min(p for x, p in zip(self.x, ps, strict=True) if x > 0)
            n = [x * math.exp(-(p - low) * s) for x, p in zip(self.x, ps, strict=True)]
            return sum(a * p for a, p in zip(n, ps, strict=True)) / sum(n)

        if pressure(0.0) < least_abs_mbar - EPS:
            return 0.0
        hi = 1e-6
        while pressure(hi) > least_abs_mbar and hi < 1e3:
            hi *= 2
        at = reached(lambda s: -pressure(s), -least_abs_mbar, 0.0, hi)
        return 1 - sum(n * c.m for n, c in zip(left(at), COMPONENTS, strict=True)) / self.m

    def after(self, temp_c: float, left_frac: float) -> Mixture:
        """The liquid when only a share of a full vessel's mass is left, drawn as vapour at one temperature (Rayleigh, method gas.vapour-pressure)."""
        present = [i for i, x in enumerate(self.x) if x > 0]
        if len(present) < 2 or left_frac >= 1:
            return self
        ps = [pure_mbar(c, temp_c) for c in COMPONENTS]

        def masses(s: float) -> list[float]:
            return [x * math.exp(-p * s) * c.m / self.m for x, p, c in zip(self.x, ps, COMPONENTS, strict=True)]

        hi = 1e-6
        while sum(masses(hi)) > left_frac and hi < 1e3:
            hi *= 2
        m = masses(reached(lambda s: -sum(masses(s)), -left_frac, 0.0, hi))
        whole = sum(m)
        return mixture_of((m[0] / whole, m[1] / whole, m[2] / whole))


@lru_cache(maxsize=256)
def mixture_of(w: tuple[float, float, float]) -> Mixture:
    """A mixture, kept so that its properties are worked once."""
    return Mixture(w)


@lru_cache(maxsize=256)
def _coldest_c(mix: Mixture, least_abs_mbar: float) -> float:
    return mix._coldest_at(least_abs_mbar)


@lru_cache(maxsize=256)
def _usable(mix: Mixture, temp_c: float, least_abs_mbar: float) -> float:
    return mix._distilled(temp_c, least_abs_mbar)


class GasIn(Contract):
    """What every calculator of gas takes: a preset or mass fractions."""

    gas: GasKey | None = None
    propane_frac: float | None = Field(None, ge=0, le=1)
    isobutane_frac: float | None = Field(None, ge=0, le=1)
    n_butane_frac: float | None = Field(None, ge=0, le=1)

    @model_validator(mode="after")
    def _one_gas(self) -> Self:
        own = [self.propane_frac, self.isobutane_frac, self.n_butane_frac]
        if any(x is not None for x in own):
            if self.gas is not None:
                raise wrong("gas", says("give-gas-or-fractions"))
            if abs(sum(x or 0.0 for x in own) - 1) > 0.001 + EPS:
                raise wrong("propane_frac", says("fractions-must-add-up"))
        return self

    @property
    def mix(self) -> Mixture:
        """The mixture, its fractions normalised."""
        own = (self.propane_frac or 0.0, self.isobutane_frac or 0.0, self.n_butane_frac or 0.0)
        total = sum(own)
        if total <= 0:
            return mixture_of(PRESETS[self.gas or "propane"])
        return mixture_of((own[0] / total, own[1] / total, own[2] / total))


def altitude_mbar(altitude_m: float) -> float:
    """Pressure of the standard atmosphere."""
    return float(ATM_MBAR * (1 - 2.25577e-5 * altitude_m) ** 5.25588)


class AirIn(GasIn):
    """Gas, and the air around it."""

    atmosphere_mbar: float | None = Field(None, ge=500, le=1100)
    altitude_m: float | None = Field(None, ge=-400, le=5000)

    @model_validator(mode="after")
    def _one_air(self) -> Self:
        if self.atmosphere_mbar is not None and self.altitude_m is not None:
            raise wrong("altitude_m", says("give-atmosphere-or-altitude"))
        return self

    @property
    def air_mbar(self) -> float:
        """Absolute pressure of the air."""
        if self.atmosphere_mbar is not None:
            return self.atmosphere_mbar
        return altitude_mbar(self.altitude_m) if self.altitude_m is not None else ATM_MBAR


class VapourPressureIn(AirIn):
    temp_c: float = Field(ge=-60, le=60)
    min_gauge_mbar: float = Field(300, ge=0, le=5000)


class VapourPressureOut(Outcome):
    usable_mass_frac: float
    vapour_pressure_abs_mbar: float
    vapour_pressure_gauge_mbar: float
    liquid_mole_frac: dict[str, float]
    vapour_mole_frac: dict[str, float]
    atmosphere_mbar: float
    min_temp_c: float
    usable: bool
    liquid_density_kg_l: float
    vaporisation_heat_kj_kg: float


def _named(values: Sequence[float], expression: str, source: Cited) -> dict[str, Figure]:
    return {n: derived(f"{n}_frac", expression, v, source) for n, v in zip(NAMES, values, strict=True)}


def vapour_pressure(inp: VapourPressureIn, sources: dict[str, Figure] | None = None) -> VapourPressureOut:
    """Pressure over the liquid, and what of a full vessel can be used. Method: gas.vapour-pressure."""
    g = Given(inp, sources)
    mix, t = inp.mix, inp.temp_c
    parts = {
        f"{n}_mbar": given(f"{n}_mbar", x * pure_mbar(c, t), "table", says("moles-at-own-pressure", x_pc=100 * x))
        for n, x, c in zip(NAMES, mix.x, COMPONENTS, strict=True)
        if x > 0
    }
    p = derived(
        "vapour_pressure_abs_mbar", "Σ x·p(T), p in Wagner’s form", mix.vapour_mbar(t), Method("gas.vapour-pressure", "Raoult"), temp_c=g("temp_c"), **parts
    )
    air = given("atmosphere_mbar", inp.air_mbar, "input" if inp.atmosphere_mbar is not None else "table", says("standard-atmosphere"))
    least = inp.min_gauge_mbar + air.value
    share = derived(
        "usable_mass_frac",
        says("what-left-when-rest"),
        mix.usable(t, least),
        Method("gas.vapour-pressure", "Rayleigh distillation of a full vessel at one temperature"),
        temp_c=g("temp_c"),
        min_gauge_mbar=g("min_gauge_mbar"),
        atmosphere_mbar=air,
    )
    return VapourPressureOut.of(
        usable_mass_frac=share,
        vapour_pressure_abs_mbar=p,
        vapour_pressure_gauge_mbar=derived(
            "vapour_pressure_gauge_mbar",
            "p − atmosphere",
            p.value - air.value,
            Method("gas.vapour-pressure", "definition"),
            vapour_pressure_abs_mbar=p,
            atmosphere_mbar=air,
        ),
        liquid_mole_frac=_named(mix.x, "(w/M)/Σ(w/M)", Method("gas.mixture", "mass shares to moles")),
        vapour_mole_frac=_named(
            [x * pure_mbar(c, t) / p.value for x, c in zip(mix.x, COMPONENTS, strict=True)], "x·p(T)/p", Method("gas.vapour-pressure", "Raoult")
        ),
        atmosphere_mbar=air,
        min_temp_c=derived(
            "min_temp_c",
            "T at which p = p_min + atmosphere",
            mix.coldest_c(least),
            Method("gas.vapour-pressure", "root"),
            min_gauge_mbar=g("min_gauge_mbar"),
            atmosphere_mbar=air,
        ),
        usable=p.value >= least - EPS,
        liquid_density_kg_l=derived("liquid_density_kg_l", "1/Σ(w/ρ(T))", mix.liquid_kg_l(t), Method("gas.mixture"), temp_c=g("temp_c")),
        vaporisation_heat_kj_kg=derived(
            "vaporisation_heat_kj_kg",
            "Σ w·h_b·[(1 − T/T_c)/(1 − T_b/T_c)]^0.38",
            mix.vaporisation_kj_kg(t),
            Method("gas.vapour-pressure", "Watson, 2 %"),
            temp_c=g("temp_c"),
        ),
    )
