"""Conductors: area, resistance, ampacity and derating (method wiring.awg, 4.1 to 4.3)."""

from __future__ import annotations

import math
from bisect import bisect_left
from dataclasses import dataclass
from typing import Annotated, Literal, Self

from pydantic import BeforeValidator, Field, model_validator

from bothy.core.contract import Contract, Given, Outcome, Whole, whole, wrong
from bothy.core.figure import Figure, derived, formula, given
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.units import awg_area_mm2
from bothy.core.words.choices import word_of
from bothy.core.words.says import wiring_says as says

Awg = Literal["20", "18", "16", "14", "12", "10", "8", "6", "4", "2", "1", "1/0", "2/0", "3/0", "4/0"]
Insulation = Annotated[Literal[60, 70, 85, 90, 105, 125], BeforeValidator(whole)]
BundleMethod = Literal["iec_circuits", "marine_conductors"]
Installation = Literal["free_air", "conduit", "against_insulation"]
CLASSES = (60, 70, 90, 105, 125)


@dataclass(frozen=True, slots=True)
class Row:
    """One size: r20 plain and tinned in mΩ/m, ampacity in A by class 60, 70, 85-90, 105, 125, outside mm."""

    plain: float
    tinned: float
    ampacity: tuple[float, float, float, float, float]
    od_mm: float


_METRIC_ROWS: dict[float, Row] = {
    0.5: Row(39, 40.1, (6, 7, 9, 12, 15), 1.6),
    0.75: Row(26, 26.7, (8, 10, 12, 16, 20), 1.9),
    1: Row(19.5, 20, (12, 14, 18, 20, 25), 2.1),
    1.5: Row(13.3, 13.7, (16, 18, 21, 25, 30), 2.4),
    2.5: Row(7.98, 8.21, (20, 25, 30, 35, 40), 3),
    4: Row(4.95, 5.09, (30, 35, 40, 45, 50), 3.7),
    6: Row(3.3, 3.39, (40, 45, 50, 60, 70), 4.3),
    10: Row(1.91, 1.95, (60, 65, 70, 90, 100), 6),
    16: Row(1.21, 1.24, (80, 90, 100, 130, 150), 7.2),
    25: Row(0.78, 0.795, (110, 120, 140, 170, 185), 8.7),
    35: Row(0.554, 0.565, (140, 160, 185, 210, 225), 10.4),
    50: Row(0.386, 0.393, (180, 210, 230, 270, 300), 12.2),
    70: Row(0.272, 0.277, (220, 265, 285, 330, 360), 14.4),
    95: Row(0.206, 0.21, (260, 310, 330, 390, 410), 16.7),
    120: Row(0.161, 0.164, (300, 360, 400, 450, 480), 19),
}
METRIC: dict[float, Row] = {float(area): row for area, row in _METRIC_ROWS.items()}
_AWG_ROWS: dict[str, tuple[tuple[float, float, float, float, float], float]] = {
    "20": ((6, 7, 10, 12, 15), 2.2),
    "18": ((10, 10, 20, 20, 25), 2.6),
    "16": ((15, 15, 25, 25, 30), 2.9),
    "14": ((20, 20, 30, 35, 40), 3.3),
    "12": ((25, 25, 40, 45, 50), 3.8),
    "10": ((40, 40, 55, 60, 70), 4.8),
    "8": ((55, 60, 70, 80, 90), 6.4),
    "6": ((80, 90, 100, 120, 125), 7.6),
    "4": ((105, 115, 135, 160, 170), 9.5),
    "2": ((140, 160, 180, 210, 225), 11.2),
    "1": ((165, 185, 210, 245, 265), 12.2),
    "1/0": ((195, 215, 245, 285, 305), 14),
    "2/0": ((225, 250, 285, 330, 355), 15.5),
    "3/0": ((260, 290, 330, 385, 410), 17.3),
    "4/0": ((300, 340, 385, 445, 475), 19.6),
}
AWG: dict[str, Row] = {
    size: Row(17.241 / awg_area_mm2(size) * 1.04, 17.241 / awg_area_mm2(size) * 1.04 * 1.03, amps, od) for size, (amps, od) in _AWG_ROWS.items()
}
AREA: dict[str, float] = {size: awg_area_mm2(size) for size in AWG}

_IEC_BUNDLE = ((1, 1.0), (2, 0.8), (3, 0.7), (4, 0.65), (5, 0.6), (6, 0.57), (7, 0.54), (8, 0.52), (9, 0.5), (12, 0.45), (16, 0.41), (20, 0.38))
_MARINE_BUNDLE = ((2, 1.0), (3, 0.7), (6, 0.6), (24, 0.5))
_COVERED = ((0, 1.0), (50, 0.88), (100, 0.78), (200, 0.63), (400, 0.51))
INSTALLATION: dict[str, float] = {"free_air": 1.0, "conduit": 0.8, "against_insulation": 0.75}


def _log_between(area: float, column: dict[float, float]) -> float:
    """Straight line in log(area)-log(value) between the neighbours of the table."""
    sizes = sorted(column)
    i = bisect_left(sizes, area)
    if i < len(sizes) and abs(sizes[i] - area) < 1e-9:
        return column[sizes[i]]
    lo, hi = sizes[i - 1], sizes[i]
    t = math.log(area / lo) / math.log(hi / lo)
    return math.exp(math.log(column[lo]) + t * math.log(column[hi] / column[lo]))


def row_of(area_mm2: float | None, awg: str | None) -> tuple[float, Row]:
    """Area in mm² and table row of a size; an odd metric area is interpolated."""
    if awg is not None:
        return AREA[awg], AWG[awg]
    area = float(area_mm2 or 0)
    if area in METRIC:
        return area, METRIC[area]
    amps = tuple(_log_between(area, {a: r.ampacity[i] for a, r in METRIC.items()}) for i in range(5))
    return area, Row(
        _log_between(area, {a: r.plain for a, r in METRIC.items()}),
        _log_between(area, {a: r.tinned for a, r in METRIC.items()}),
        (amps[0], amps[1], amps[2], amps[3], amps[4]),
        _log_between(area, {a: r.od_mm for a, r in METRIC.items()}),
    )


class Conductor(Contract):
    """Keys of a conductor: exactly one of ``area_mm2`` and ``awg``."""

    area_mm2: float | None = Field(None, ge=0.5, le=120)
    awg: Awg | None = None
    tinned: bool = False

    @model_validator(mode="after")
    def _size(self) -> Self:
        if self.area_mm2 is not None and self.awg is not None:
            raise wrong("awg", says("give-area-or-awg"))
        if self.area_mm2 is None and self.awg is None:
            raise wrong("area_mm2", says("required-or-awg"))
        return self


class Route(Contract):
    """Keys of a route that derate a cable."""

    insulation_temp_c: Insulation = 90
    ambient_temp_c: float = Field(30, ge=-40, le=120)
    engine_space: bool = False
    bundled_count: Whole = Field(1, ge=1, le=1000)
    bundle_method: BundleMethod = "iec_circuits"
    installation: Installation = "free_air"
    covered_length_mm: float = Field(0, ge=0, le=1e6)

    @property
    def air_c(self) -> float:
        """Air temperature round the cable, at least 50 °C in an engine space."""
        return max(self.ambient_temp_c, 50.0) if self.engine_space else self.ambient_temp_c

    @model_validator(mode="after")
    def _air(self) -> Self:
        if self.air_c >= self.insulation_temp_c:
            raise wrong("ambient_temp_c", says("must-be-below-insulations", air_c=self.air_c, insulation_temp_c=self.insulation_temp_c))
        return self


@formula(says("ambient-factor"), "min(1, √((Ti − Ta)/(Ti − 30)))", unit="", source=Method("wiring.ampacity", "heat balance: loss ∝ I², heat shed ∝ rise"))
def ambient_factor(insulation_temp_c: float, ambient_temp_c: float) -> float:
    return min(1.0, math.sqrt((insulation_temp_c - ambient_temp_c) / (insulation_temp_c - 30)))


def bundle_factor(count: int, method: str) -> float:
    """Derating by what lies together (table 4.3)."""
    table, more = (_IEC_BUNDLE, 0.35) if method == "iec_circuits" else (_MARINE_BUNDLE, 0.40)
    return next((f for upto, f in table if count <= upto), more)


def installation_factor(installation: str, covered_length_mm: float) -> float:
    """The worse of the installation's and the covered length's factor (table 4.3)."""
    covered = next((f for upto, f in _COVERED if covered_length_mm <= upto + 1e-9), 0.5)
    return min(INSTALLATION[installation], covered)


@formula(
    says("ampacity"),
    "I_z = I_table·k_ambient·k_bundle·k_installation",
    unit="A",
    source=Method("wiring.ampacity", "marine DC practice") + Standard("ISO 13297") + Standard("IEC 60364-5-52"),
)
def ampacity(table_ampacity_a: float, ambient_factor_frac: float, bundle_factor_frac: float, installation_factor_frac: float) -> float:
    return table_ampacity_a * ambient_factor_frac * bundle_factor_frac * installation_factor_frac


@formula(
    says("resistance-per-metre-temperature"),
    "r = r₂₀·(1 + 0.00393·(T − 20))",
    unit="mΩ/m",
    source=Method("wiring.resistance") + Standard("IEC 60228") + Standard("IEC 60287-1-1"),
)
def warm_resistance(unit_resistance_20c_mohm_per_m: float, conductor_temp_c: float) -> float:
    return unit_resistance_20c_mohm_per_m * (1 + 0.00393 * (conductor_temp_c - 20))


@formula(says("resistance"), "R = r·L·n/parallel", unit="mΩ", source=Method("wiring.resistance", "Ohm"))
def run_resistance(unit_resistance_mohm_per_m: float, length_m: float, conductors_count: float, parallel_count: float) -> float:
    return unit_resistance_mohm_per_m * length_m * conductors_count / parallel_count


def ampacity_factors(route: Route) -> tuple[float, float, float]:
    """Ambient, bundle and installation factor of a route."""
    return (
        ambient_factor.raw(route.insulation_temp_c, route.air_c),
        bundle_factor(route.bundled_count, route.bundle_method),
        installation_factor(route.installation, route.covered_length_mm),
    )


def table_ampacity(row: Row, insulation_temp_c: int) -> float:
    """Ampacity of the table in A at 30 °C, alone, in free air."""
    return row.ampacity[CLASSES.index(90 if insulation_temp_c == 85 else insulation_temp_c)]


def mass_per_m(area_mm2: float, od_mm: float) -> float:
    """Mass of one conductor in kg/m, typical."""
    return (8.89 * area_mm2 + 1.35 * max(0.0, math.pi / 4 * od_mm**2 - 1.25 * area_mm2)) / 1000


class ConductorResistanceIn(Conductor):
    conductor_temp_c: float = Field(20, ge=-40, le=200)
    length_m: float = Field(1, ge=0, le=1000)
    conductors_count: Whole = Field(1, ge=1, le=2)
    parallel_count: Whole = Field(1, ge=1, le=8)


class ConductorResistanceOut(Outcome):
    area_mm2: float
    unit_resistance_20c_mohm_per_m: float
    unit_resistance_mohm_per_m: float
    resistance_mohm: float
    outer_diameter_mm: float
    mass_kg: float


def conductor_resistance(inp: ConductorResistanceIn, sources: dict[str, Figure] | None = None) -> ConductorResistanceOut:
    """Resistance and mass of a run of cable at a copper temperature. Methods: wiring.awg, wiring.resistance."""
    g = Given(inp, sources)
    area, row = row_of(inp.area_mm2, inp.awg)
    name = f"{inp.awg} AWG" if inp.awg else f"{area:g} mm²"
    r20 = given("unit_resistance_20c_mohm_per_m", row.tinned if inp.tinned else row.plain, "table", says("class-copper", name=name))
    warm = warm_resistance(r20, g("conductor_temp_c"))
    return ConductorResistanceOut.of(
        area_mm2=derived(
            "area_mm2",
            "π/4·d², d = 0.127·92^((36 − g)/39)" if inp.awg else says("as-given"),
            area,
            Method("wiring.awg") + Standard("ASTM B258") if inp.awg else Method("wiring.resistance", "nominal metal area"),
        ),
        unit_resistance_20c_mohm_per_m=r20,
        unit_resistance_mohm_per_m=warm,
        resistance_mohm=run_resistance(warm, g("length_m"), g("conductors_count"), g("parallel_count")),
        outer_diameter_mm=derived("outer_diameter_mm", says("table-between-neighbours-by"), row.od_mm, Method("wiring.resistance") + OwnChoice("typical")),
        mass_kg=derived(
            "mass_kg",
            "(8.89·A + 1.35·max(0, π/4·od² − 1.25·A))·L·n",
            mass_per_m(area, row.od_mm) * inp.length_m * inp.conductors_count * inp.parallel_count,
            Method("wiring.resistance") + OwnChoice("typical"),
            area_mm2=area,
            outer_diameter_mm=row.od_mm,
            length_m=g("length_m"),
        ),
    )


class ConductorAmpacityIn(Conductor, Route):
    pass


class ConductorAmpacityOut(Outcome):
    table_ampacity_a: float
    ambient_factor_frac: float
    bundle_factor_frac: float
    installation_factor_frac: float
    ampacity_a: float


def conductor_ampacity(inp: ConductorAmpacityIn, sources: dict[str, Figure] | None = None) -> ConductorAmpacityOut:
    """The current a cable carries for ever on its route. Method: wiring.ampacity."""
    g = Given(inp, sources)
    area, row = row_of(inp.area_mm2, inp.awg)
    name = f"{inp.awg} AWG" if inp.awg else f"{area:g} mm²"
    table = given(
        "table_ampacity_a", table_ampacity(row, inp.insulation_temp_c), "table", says("class-free-air", name=name, insulation_temp_c=inp.insulation_temp_c)
    )
    k_amb = ambient_factor(g("insulation_temp_c"), given("ambient_temp_c", inp.air_c, "input", says("at-least-in-engine") if inp.engine_space else ""))
    _, bundle, install = ampacity_factors(inp)
    k_bundle = given("bundle_factor_frac", bundle, "table", says("together", bundled_count=inp.bundled_count, bundle_method=inp.bundle_method))
    k_inst = given("installation_factor_frac", install, "table", word_of(inp.installation))
    return ConductorAmpacityOut.of(
        table_ampacity_a=table,
        ambient_factor_frac=k_amb,
        bundle_factor_frac=k_bundle,
        installation_factor_frac=k_inst,
        ampacity_a=ampacity(table, k_amb, k_bundle, k_inst),
    )
