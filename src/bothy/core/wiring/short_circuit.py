"""Current of a dead short, and whether device and cable survive it (method wiring.short-circuit)."""

from __future__ import annotations

import math
from typing import Literal, Self

from pydantic import Field, model_validator

from bothy.core.contract import EPS, Contract, Given, Outcome, Whole, wrong
from bothy.core.figure import Figure, derived, formula, given
from bothy.core.method.sources import Method, OwnChoice, Standard
from bothy.core.wiring.conductors import Awg, row_of, run_resistance, warm_resistance
from bothy.core.wiring.fuses import FAMILIES
from bothy.core.words.says import wiring_says as says

BLOCK_MOHM_AH: dict[str, float] = {"lifepo4": 200.0, "agm": 400.0, "gel": 600.0, "flooded": 700.0}
"""Resistance × capacity of a 12 V block in mΩ·Ah; typical, low on purpose."""
BlockChemistry = Literal["lifepo4", "agm", "gel", "flooded"]


POSTS_MOHM, CUT_OFF_MOHM = 0.5, 1.0
"""Posts, links and lugs of a block of 12 V or more; electronics of a lithium one. Typical."""


class ShortCircuitCurrentIn(Contract):
    voltage_v: float = Field(gt=0, le=1000)
    internal_resistance_mohm: float | None = Field(None, gt=0, le=1e5)
    chemistry: BlockChemistry | None = None
    capacity_ah: float | None = Field(None, gt=0, le=10000)
    block_nominal_voltage_v: float = Field(12, gt=0, le=1000)
    series_count: Whole = Field(1, ge=1, le=100)
    parallel_count: Whole = Field(1, ge=1, le=100)
    length_m: float = Field(0, ge=0, le=1000)
    area_mm2: float | None = Field(None, ge=0.5, le=120)
    awg: Awg | None = None
    tinned: bool = False
    conductor_temp_c: float = Field(20, ge=-40, le=200)
    extra_resistance_mohm: float = Field(0, ge=0, le=1e5)
    insulation_temp_c: float = Field(90, ge=40, le=200)
    final_temp_c: float = Field(160, le=400)
    clearing_time_s: float | None = Field(None, gt=0, le=1e5)

    @model_validator(mode="after")
    def _whole(self) -> Self:
        if self.internal_resistance_mohm is None and (self.chemistry is None or self.capacity_ah is None):
            raise wrong("internal_resistance_mohm", says("required-or-chemistry-with"))
        if self.area_mm2 is not None and self.awg is not None:
            raise wrong("awg", says("give-area-or-awg"))
        if self.length_m > 0 and self.area_mm2 is None and self.awg is None:
            raise wrong("area_mm2", says("required-or-awg-with"))
        if self.final_temp_c <= self.insulation_temp_c:
            raise wrong("final_temp_c", says("must-be-more-than", insulation_temp_c=self.insulation_temp_c))
        return self


class ShortCircuitCurrentOut(Outcome):
    battery_resistance_mohm: float
    cable_resistance_mohm: float
    terminal_short_circuit_a: float
    short_circuit_a: float
    suitable_families: list[str]
    withstand_k: float
    withstand_time_s: float | None
    cable_survives: bool | None


@formula(
    says("resistance-one-block"),
    "R_block = K/C·U_block/12",
    unit="mΩ",
    source=Method("wiring.short-circuit", "low on purpose, the worst case for the fuse") + OwnChoice("typical"),
)
def block_resistance(block_mohm_ah: float, capacity_ah: float, block_nominal_voltage_v: float) -> float:
    return block_mohm_ah / capacity_ah * block_nominal_voltage_v / 12


@formula(
    says("block-posts-links-lugs"),
    "R = R_block + 0.5 mΩ·U_block/12",
    unit="mΩ",
    source=Method("wiring.short-circuit", "a unit of less than 12 V has its part of it, so that a chain of cells is not made weaker than it is")
    + OwnChoice("typical"),
)
def with_posts(block_mohm: float, posts_mohm: float) -> float:
    return block_mohm + posts_mohm


@formula(
    says("block-loads-see"),
    "R = 1.5·R_block + cut-off",
    unit="mΩ",
    source=Method("wiring.short-circuit", "typical: half as much again as the least, and 1 mΩ of cut-off electronics for lithium"),
)
def for_voltages(block_mohm: float, cut_off_mohm: float) -> float:
    return 1.5 * block_mohm + cut_off_mohm


@formula(says("resistance-bank"), "R = R_block·series/parallel", unit="mΩ", source=Method("wiring.short-circuit"))
def bank_resistance(block_resistance_mohm: float, series_count: float, parallel_count: float) -> float:
    return block_resistance_mohm * series_count / parallel_count


@formula(
    says("current-dead-short"),
    "I_k = 1000·E/(R_bat + R_cable + R_extra)",
    unit="A",
    source=Method("wiring.short-circuit", "Ohm; electronics in the battery are not counted on, they can fail closed"),
)
def fault_current(voltage_v: float, battery_resistance_mohm: float, cable_resistance_mohm: float, extra_resistance_mohm: float) -> float:
    return 1000 * voltage_v / (battery_resistance_mohm + cable_resistance_mohm + extra_resistance_mohm)


@formula(
    says("heating-constant-copper"),
    "k = 226·√(ln(1 + (T_f − T_i)/(234.5 + T_i)))",
    unit="A·√s/mm²",
    source=Method("wiring.short-circuit", "adiabatic") + Standard("IEC 60364-4-43"),
)
def withstand_constant(insulation_temp_c: float, final_temp_c: float) -> float:
    return 226 * math.sqrt(math.log(1 + (final_temp_c - insulation_temp_c) / (234.5 + insulation_temp_c)))


@formula(
    says("time-cable-stands-fault"), "t = (k·A/I_k)²", unit="s", source=Method("wiring.short-circuit", "adiabatic, up to 5 s") + Standard("IEC 60364-4-43")
)
def withstand_time(withstand_k: float, area_mm2: float, short_circuit_a: float) -> float:
    return (withstand_k * area_mm2 / short_circuit_a) ** 2


def suitable(voltage_v: float, short_circuit_a: float) -> list[str]:
    """Families (fuses and breakers, in the order of the table) that break a fault safely at a voltage."""
    return [f.key for f in FAMILIES.values() if f.interrupt_a(voltage_v) >= short_circuit_a - EPS]


def short_circuit_current(inp: ShortCircuitCurrentIn, sources: dict[str, Figure] | None = None) -> ShortCircuitCurrentOut:
    """The fault current at the end of a cable, what breaks it, and how long the cable stands it. Method: wiring.short-circuit."""
    g = Given(inp, sources)
    if inp.internal_resistance_mohm is not None:
        block = g("internal_resistance_mohm")
    else:
        assert inp.chemistry is not None
        block = block_resistance(
            given("block_mohm_ah", BLOCK_MOHM_AH[inp.chemistry], "table", says("typical", chemistry=inp.chemistry)),
            g("capacity_ah"),
            g("block_nominal_voltage_v"),
        )
    bank = bank_resistance(block, g("series_count"), g("parallel_count"))
    cable: Figure | float = 0.0
    area: float | None = None
    if inp.area_mm2 is not None or inp.awg is not None:
        area, row = row_of(inp.area_mm2, inp.awg)
        r20 = given("unit_resistance_20c_mohm_per_m", row.tinned if inp.tinned else row.plain, "table", says("class-copper-2", area_mm2=area))
        cable = run_resistance(warm_resistance(r20, g("conductor_temp_c")), g("length_m"), 2, 1)
    fault = fault_current(g("voltage_v"), bank, cable, g("extra_resistance_mohm"))
    k = withstand_constant(g("insulation_temp_c"), g("final_temp_c"))
    stands = withstand_time(k, area, fault) if area is not None else None
    survives = inp.clearing_time_s <= stands.value + EPS if stands is not None and inp.clearing_time_s is not None else None
    return ShortCircuitCurrentOut.of(
        battery_resistance_mohm=bank,
        cable_resistance_mohm=cable,
        terminal_short_circuit_a=derived(
            "terminal_short_circuit_a",
            "1000·E/R_bat",
            1000 * inp.voltage_v / bank.value,
            Method("wiring.short-circuit", "Ohm"),
            voltage_v=g("voltage_v"),
            battery_resistance_mohm=bank,
        ),
        short_circuit_a=fault,
        suitable_families=suitable(inp.voltage_v, fault.value),
        withstand_k=k,
        withstand_time_s=stands,
        cable_survives=survives,
    )
